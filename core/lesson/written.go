package lesson

import (
	"vineswap/core/book"
	"vineswap/core/material"
	"vineswap/core/number"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/say"
	"vineswap/core/task"
)

// Row is a child at a task of a lesson: how it would be written by one touch, and
// what is written.
type Row struct {
	Child  string
	Part   place.Set // the places that were the child's own; none for the whole
	Turn   bool      // it had a turn
	Saw    Sight     // how the mat saw it; empty where it did not
	Help   book.Help
	Manner book.Manner
	Runs   int           // which run the next record is
	Kept   []book.Record // those that stand, each a run; a withdrawn one says that there is nothing to write
}

// Written tells whether something is written of the child at the task.
func (r Row) Written() bool { return len(r.Kept) > 0 }

// Rows are the children at one of the lesson's tasks, by all records of the lesson
// in the order in which they were kept. They begin with the places that were the child's own
// and the help that the mat saw, in the manner of the task. What an adult has written
// instead at an earlier task, where the mat saw the same, is proposed again. A child who had
// no turn was shown it.
func (l Lesson) Rows(nth int, records []book.Record) []Row {
	current := book.Current(records)
	rows := make([]Row, len(l.Children))
	for seat, child := range l.Children {
		row := Row{Child: child, Manner: l.manner(nth), Runs: 1}
		row.Part, row.Turn = l.Part(nth, seat)
		row.Saw = l.Items[nth].sightOf(row.Part)
		row.Help = helpBySight[row.Saw]
		for _, r := range records {
			switch {
			case r.Learner != child || !current[r.ID]:
			case r.Nth < nth && !r.Withdrawn:
				l.asBefore(&row, nth, seat, r)
			case r.Nth == nth && !r.Undone():
				row.Kept = append(row.Kept, r)
				row.Runs = max(row.Runs, r.Runs+1)
			}
		}
		if !row.Turn {
			row.Part, row.Help = 0, book.Shown
		}
		rows[seat] = row
	}
	return rows
}

// asBefore proposes what was written of the child at an earlier task.
func (l Lesson) asBefore(row *Row, nth, seat int, r book.Record) {
	part, had := l.Part(r.Nth, seat)
	if had && l.Items[r.Nth].sightOf(part) == row.Saw {
		row.Help = r.Help
	}
	if l.Items[nth].Manner == "" && l.Items[r.Nth].Manner == "" {
		row.Manner = r.Manner
	}
}

// manner is how a task is worked: as it was planned, or usually.
func (l Lesson) manner(nth int) book.Manner {
	if m := l.Items[nth].Manner; m != "" {
		return m
	}
	if l.Items[nth].Flash != nil {
		return book.Drawn
	}
	if l.Whole {
		return wholeManner(l.Items[nth].Task)
	}
	return UsualManner(l.Items[nth].Task, l.Material)
}

// UsualManner is how a task is worked with a material: numbers too large for it are
// worked in the column.
func UsualManner(t task.Task, kind material.Kind) book.Manner {
	if a, of := number.From(t); of {
		return map[number.Hand]book.Manner{number.InHand: book.Pieces, number.OnPaper: book.Drawn, number.InHead: book.Head}[a.Hand()]
	}
	p, worked := problem.From(t)
	switch {
	case worked && !material.CanLayOut(p.Reach()):
		return book.Column
	case worked && kind.Drawn():
		return book.Drawn
	}
	return book.Pieces
}

// Saw is what the mat saw of a child at a place.
type Saw struct {
	Child int // index among the lesson's children
	Place place.Place
	Text  string
}

// Saw lists what the mat saw at one of the lesson's tasks, place by place, of places
// that were worked.
func (l Lesson) Saw(nth int, w say.Words) []Saw {
	p, of := problem.From(l.Items[nth].Task)
	if !of || len(l.Children) == 0 || len(l.Children) > 1 && l.each(nth) {
		return nil // of work on one's own the mat saw one way of it
	}
	var saw []Saw
	turns := l.turns(nth)
	for _, c := range p.Columns() {
		if nth == l.Nth && !l.Counted(c.Place) {
			continue
		}
		child := nth % len(l.Children)
		if int(c.Place) < len(turns) {
			child = turns[c.Place]
		}
		if child < 0 {
			continue // a child who was erased
		}
		saw = append(saw, Saw{child, c.Place, w.Worked(p, c)})
	}
	return saw
}

// Held is what of a kept lesson bears on what is still to be written.
type Held struct {
	ID       string
	Items    int // how many tasks it has
	Nth      int // which of them is in hand
	Stand    Stand
	Children []string
	Whole    bool // its rounds are kept at once, and nobody waits to be written up
}

// Worked lists the children at the tasks that were worked: those that were left for the
// next one on the mat, and the one in hand too once the lesson has ended. Tasks that it did
// not come to were not worked. Of whom of them nothing is written (book.Written) is still to
// be written up.
func (h Held) Worked() []book.Spot {
	var list []book.Spot
	if h.Stand == Away || h.Whole {
		return nil
	}
	for nth := range h.Items {
		if nth > h.Nth || h.Stand != Ended && (h.Stand != OnTheMat || nth == h.Nth) {
			break
		}
		for _, child := range h.Children {
			list = append(list, book.Spot{Lesson: h.ID, Nth: nth, Learner: child})
		}
	}
	return list
}
