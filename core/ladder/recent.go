package ladder

import (
	"slices"

	"vineswap/core/book"
	"vineswap/core/diagnose"
	"vineswap/core/slip"
	"vineswap/core/task"
)

// mostRecent is how many answers of a field what explains them is judged by.
const mostRecent = 40

// leastExplained is how many wrong answers a slip has to explain to be told.
const leastExplained = 2

// Answered is an answer that tells something of a child's own way of working.
type Answered struct {
	Try
	Manner book.Manner
	Help   book.Help
	Came   book.Came
}

// Recent are the last answers of a child, field by field and over all stages and manners, in
// the order in which they were given. What explains them is judged by these.
type Recent map[diagnose.Field][]Answered

func (r Recent) take(o book.Observation) {
	if !diagnose.Counts(o) {
		return
	}
	field := diagnose.FieldOf(o.Task)
	list := append(r[field], Answered{Try{o.Task.Key(), o.Answer, o.Day}, o.Manner, o.Help, o.Came})
	if over := len(list) - mostRecent; over > 0 {
		list = slices.Delete(list, 0, over)
	}
	r[field] = list
}

// In are the answers of a field as they were observed.
func (r Recent) In(field diagnose.Field) []book.Observation {
	var all []book.Observation
	for _, a := range r[field] {
		if of := a.Task(); of.Data != nil {
			all = append(all, book.Observation{Task: of, Manner: a.Manner, Help: a.Help, Answer: a.Answer, Came: a.Came, Day: a.Day, Runs: 1})
		}
	}
	return all
}

// findings are what explains the answers of each field, once it was asked for.
type findings struct {
	last  Recent
	found map[diagnose.Field]diagnose.Finding
}

func (f *findings) in(field diagnose.Field) diagnose.Finding {
	if known, ok := f.found[field]; ok {
		return known
	}
	if f.found == nil {
		f.found = map[diagnose.Field]diagnose.Finding{}
	}
	f.found[field] = diagnose.Judge(f.last.In(field))
	return f.found[field]
}

// explain finds the slips that explain most of some wrong answers, of those that all answers
// of the field make likely.
func (f *findings) explain(wrong []Try) (likely [][]slip.ID, fits int) {
	tasks := make([]task.Task, len(wrong))
	var field diagnose.Field
	for i, t := range wrong {
		if tasks[i] = t.Task(); tasks[i].Data != nil {
			field = diagnose.FieldOf(tasks[i])
		}
	}
	if field == 0 {
		return nil, 0
	}
	for _, ids := range f.in(field).Likely() {
		n := 0
		for i, t := range wrong {
			if tasks[i].Data != nil && diagnose.Fit(ids, tasks[i], t.Answer) {
				n++
			}
		}
		if n > fits {
			likely, fits = nil, n
		}
		if n == fits && n > 0 {
			likely = append(likely, ids)
		}
	}
	if fits < leastExplained {
		return nil, 0
	}
	return likely, fits
}

// Recent are the last answers by which is judged what explains them.
func (f *Fold) Recent() Recent { return f.last }

func (r Recent) write(w *writer) {
	for _, field := range diagnose.Fields() {
		w.int(int64(len(r[field])))
		for _, a := range r[field] {
			w.text(a.Key)
			w.text(a.Answer)
			w.on(a.Day)
			w.text(string(a.Manner))
			w.text(string(a.Help))
			w.text(string(a.Came))
		}
	}
}

func (r Recent) read(from *reader) {
	for _, field := range diagnose.Fields() {
		n := from.count()
		if n == 0 {
			continue
		}
		list := make([]Answered, n)
		for i := range list {
			list[i] = Answered{Try{from.text(), from.text(), from.on()}, book.Manner(from.text()), book.Help(from.text()), book.Came(from.text())}
		}
		r[field] = list
	}
}
