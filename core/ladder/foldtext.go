package ladder

import (
	"encoding/binary"
	"errors"
	"fmt"
	"maps"
	"slices"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/task"
)

// A fold is written down in few bytes, because it is written with every record and read
// with every class: whole numbers as varints, lists with their number before them, a
// text with its length before it where it comes first and as a number where it comes
// again, days counted from the last one. Whatever else is written is judged anew.
const foldForm = 4

// roughly is how many bytes a fold of some years has.
const (
	roughly     = 8 << 10
	roughlyText = 16 // for each text that is new
)

// ErrFold is returned for what is no fold that this version has written.
var ErrFold = errors.New("this judgement cannot be continued")

// MarshalBinary writes the fold down without what belongs to the class.
func (f *Fold) MarshalBinary() ([]byte, error) {
	w := writer{out: make([]byte, 1, roughly), known: make(map[string]int, 2*len(f.lobes)), day: f.day}
	w.out[0] = foldForm
	w.int(int64(f.day))
	w.int(f.seq)
	w.int(int64(len(f.lobes)))
	if f.keys == nil {
		f.keys = slices.SortedFunc(maps.Keys(f.lobes), Key.Compare)
	}
	for _, key := range f.keys {
		w.text(string(key.Stage))
		w.text(string(key.Manner))
		f.lobes[key].write(&w)
	}
	f.last.write(&w)
	return w.out, nil
}

// ReadFold reads what MarshalBinary wrote, for a child of a class.
func ReadFold(class Class, data []byte) (*Fold, error) {
	r := reader{data: data, all: string(data)}
	if form := r.byte(); form != foldForm {
		return nil, fmt.Errorf("%w: form %d", ErrFold, form)
	}
	r.known = make([]string, 0, 2*len(data)/roughlyText)
	f := NewFold(class)
	f.day, f.seq = book.Day(r.int()), r.int()
	r.day = f.day
	lobes := make([]lobe, r.count())
	f.lobes, f.keys = make(map[Key]*lobe, len(lobes)), make([]Key, len(lobes)) // written in order
	for i := range lobes {
		l := &lobes[i]
		l.fold, l.key = f, Key{choose.StageID(r.text()), book.Manner(r.text())}
		l.read(&r)
		f.lobes[l.key], f.keys[i] = l, l.key
	}
	f.last.read(&r)
	if r.wrong || r.at < len(data) {
		return nil, ErrFold
	}
	return f, nil
}

// numbers are the whole numbers of a lobe, and days its days, in the order in which
// they are written.
func (l *lobe) numbers() [11]*int {
	return [...]*int{(*int)(&l.Beads), &l.Tried, &l.Right, &l.Alone, &l.Days, (*int)(&l.Borrowed), &l.Checks, &l.Failed, &l.Chosen, &l.Aside, &l.InRow}
}

func (l *lobe) daysOf() [9]*book.Day {
	return [...]*book.Day{&l.Since, &l.Last, &l.Near, &l.AloneOn, &l.JudgedOn, &l.Used, &l.Due, &l.ChosenOn, &l.day}
}

func (l *lobe) write(w *writer) {
	w.text(string(l.State))
	w.text(string(l.Judged))
	w.bool(l.Explained)
	for _, n := range l.numbers() {
		w.int(int64(*n))
	}
	for _, d := range l.daysOf() {
		w.on(*d)
	}
	w.int(int64(len(l.lacks)))
	for _, s := range l.lacks {
		w.text(string(s))
	}
	w.int(int64(len(l.own)))
	for _, t := range l.own {
		t.write(w)
	}
	w.int(int64(len(l.counted)))
	for _, task := range l.counted {
		w.text(task.text)
	}
	w.int(int64(len(l.lent)))
	for _, of := range l.lent {
		w.text(of.of.text)
		w.int(int64(of.beads))
	}
}

func (l *lobe) read(r *reader) {
	l.State, l.Judged, l.Explained = State(r.text()), State(r.text()), r.byte() == 1
	for _, n := range l.numbers() {
		*n = int(r.int())
	}
	for _, d := range l.daysOf() {
		*d = r.on()
	}
	for range r.count() {
		l.lacks = append(l.lacks, task.Skill(r.text()))
	}
	if n := r.count(); n > 0 {
		l.own = make([]try, n, max(n, lastFew)+1)
		for i := range l.own {
			l.own[i] = readTry(r)
		}
	}
	for range r.count() {
		l.counted = append(l.counted, onceOf(r.text()))
	}
	for range r.count() {
		l.lent = append(l.lent, loan{onceOf(r.text()), Beads(r.int())})
	}
}

func (t try) write(w *writer) {
	w.bool(t.wrong)
	if !t.wrong {
		return
	}
	w.text(t.task)
	w.text(t.answer)
	w.on(t.day)
	w.bool(t.slips)
}

func readTry(r *reader) try {
	t := try{wrong: r.byte() == 1}
	if !t.wrong {
		return t
	}
	t.task, t.answer, t.day = r.text(), r.text(), r.on()
	t.slips = r.byte() == 1
	return t
}

type writer struct {
	out   []byte
	known map[string]int // texts that were written, by their number
	day   book.Day       // that days are counted from
}

func (w *writer) int(n int64) { w.out = binary.AppendVarint(w.out, n) }

// text writes 0, the length and the text where it is new, and else its number.
func (w *writer) text(text string) {
	if n, known := w.known[text]; known {
		w.int(int64(n))
		return
	}
	w.known[text] = len(w.known) + 1
	w.int(0)
	w.int(int64(len(text)))
	w.out = append(w.out, text...)
}

// on writes a day by how long it is before the last one; 0 is no day.
func (w *writer) on(day book.Day) {
	if day == 0 {
		w.int(-1)
		return
	}
	w.int(int64(w.day - day))
}

func (w *writer) bool(b bool) {
	if b {
		w.out = append(w.out, 1)
	} else {
		w.out = append(w.out, 0)
	}
}

// reader reads from what is left; once something is wrong all that follows is nothing.
type reader struct {
	data  []byte
	all   string // the same: texts are parts of it
	at    int
	known []string
	day   book.Day
	wrong bool
}

func (r *reader) byte() byte {
	if r.wrong = r.wrong || r.at >= len(r.data); r.wrong {
		return 0
	}
	r.at++
	return r.data[r.at-1]
}

func (r *reader) int() int64 {
	if r.wrong {
		return 0
	}
	if r.at < len(r.data) && r.data[r.at] < 0x80 { // most take one byte
		b := r.data[r.at]
		r.at++
		return int64(b>>1) ^ -int64(b&1)
	}
	n, size := binary.Varint(r.data[r.at:])
	if r.wrong = size <= 0; r.wrong {
		return 0
	}
	r.at += size
	return n
}

func (r *reader) on() book.Day {
	ago := r.int()
	if ago == -1 {
		return 0
	}
	return r.day - book.Day(ago)
}

// count is a number of things, each of which takes one byte at least.
func (r *reader) count() int {
	n := r.int()
	if r.wrong = r.wrong || n < 0 || n > int64(len(r.data)-r.at); r.wrong {
		return 0
	}
	return int(n)
}

func (r *reader) text() string {
	n := r.int()
	if n != 0 {
		if r.wrong = r.wrong || n < 1 || n > int64(len(r.known)); r.wrong {
			return ""
		}
		return r.known[n-1]
	}
	length := r.count()
	text := r.all[r.at : r.at+length]
	r.at += length
	r.known = append(r.known, text)
	return text
}
