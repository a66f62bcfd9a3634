package lesson

import (
	"errors"
	"fmt"
	"slices"
	"strconv"

	"vineswap/core/book"
	"vineswap/core/number"
	"vineswap/core/opener"
	"vineswap/core/problem"
	"vineswap/core/slip"
	"vineswap/core/task"
)

// MostWhole is how many children a lesson for the whole class is for. They do not sit at the
// mat: each has a slate, and works every task alone.
const MostWhole = 40

// Pace is what the class does at a task of a lesson for all: the guide holds it.
type Pace string

// The paces of a round of slates, in their order.
const (
	LookAt   Pace = "look"    // the task is shown
	WriteIt  Pace = "write"   // all write
	ShowUp   Pace = "show"    // all show, finished or not
	LayFlat  Pace = "flat"    // slates lie flat, not wiped
	Explains Pace = "explain" // one explains
	Together Pace = "together"
	Wipe     Pace = "wipe"
)

// Paces returns all paces in order.
func Paces() []Pace { return []Pace{LookAt, WriteIt, ShowUp, LayFlat, Explains, Together, Wipe} }

// Paces are those that a task has: about a card the class talks, and of examples with a slip
// nothing is wiped.
func (i Item) Paces() []Pace {
	switch i.Task.Kind {
	case opener.OfCards:
		return []Pace{LookAt, Explains}
	case opener.OfSpots:
		return []Pace{LookAt, ShowUp, Explains, Together}
	}
	return Paces()
}

// Round is how far the class has come with the task in hand.
type Round struct {
	Pace  Pace `json:"pace"`
	Shown int  `json:"shown,omitempty"` // how often the guide has shown the flash
}

// MostShown is how often a flash can be shown in one round.
const MostShown = 99

// Errors of a round.
var (
	ErrPace    = errors.New("a round goes: look, write, show, lay flat, one explains, count together, wipe")
	ErrShown   = fmt.Errorf("a flash is shown 0 to %d times in a round", MostShown)
	ErrFlash   = errors.New("nothing is flashed at this task")
	ErrMark    = errors.New("there is no such mark for a slate")
	ErrSlates  = errors.New("only a lesson for the whole class has slates")
	ErrNoSlate = errors.New("nothing is written on slates at this task")
	ErrWhole   = fmt.Errorf("a lesson for the whole class is for at most %d children", MostWhole)
)

// change takes in what the guide does in a round.
func (r Round) change(c Change, flash *opener.Flash) (Round, error) {
	if c.Pace != nil {
		if !slices.Contains(Paces(), *c.Pace) {
			return r, fmt.Errorf("%w, not %q", ErrPace, *c.Pace)
		}
		r.Pace = *c.Pace
	}
	if c.Shown != nil {
		switch {
		case flash == nil:
			return r, ErrFlash
		case *c.Shown < 0 || *c.Shown > MostShown:
			return r, fmt.Errorf("%w, not %d", ErrShown, *c.Shown)
		}
		r.Shown = *c.Shown
	}
	return r, nil
}

// wholeManner is how a task is worked by a whole class where nothing else was said: pieces in
// each hand, something seen or drawn, or in the head; a sum of more than single digits is
// written as a column.
func wholeManner(t task.Task) book.Manner {
	if a, of := number.From(t); of {
		switch {
		case slices.Contains([]number.Answered{number.Lay, number.Fill, number.WithCards, number.Push}, a.Answered):
			return book.Pieces
		case a.Hand() == number.InHead:
			return book.Head
		}
		return book.Drawn
	}
	if p, of := problem.From(t); of {
		for _, n := range p.Numbers {
			if n >= 10 {
				return book.Column
			}
		}
	}
	return book.Head
}

// SlateMark is how a slate was.
type SlateMark string

// The marks of a slate.
const (
	ByDefault  SlateMark = "default"    // right with all the others: nobody looked
	Right      SlateMark = "right"      // looked at, and right
	Other      SlateMark = "gave"       // another answer, as it was typed
	Mirrored   SlateMark = "mirrored"   // the number is right, a digit stands back to front
	Unfinished SlateMark = "unfinished" // so far right or not: not done in time
	Blank      SlateMark = "blank"      // nothing is written
	NotRead    SlateMark = "not-read"   // nobody read it
	NotHere    SlateMark = "away"
)

// Marks returns all marks, the one of an untouched slate first.
func Marks() []SlateMark {
	return []SlateMark{ByDefault, Right, Other, Mirrored, Unfinished, Blank, NotRead, NotHere}
}

// Slate is the slate of one child in a round.
type Slate struct {
	Child  string
	Mark   SlateMark
	Answer string // as it was typed; empty for none
}

// Slated tells whether a task is answered on slates, so that something of it is kept.
// About a card, and examples with a slip, the class talks.
func (i Item) Slated() bool { return i.Task.Kind != opener.OfCards && i.Task.Kind != opener.OfSpots }

// Evidence is what a slate shows of the child at a task of the lesson on a day; false where it
// is no evidence: nobody read it, or nothing is finished there.
func (l Lesson) Evidence(nth int, s Slate, explained bool, way book.Way, day book.Day) (book.Observation, bool) {
	item := l.Items[nth]
	o := book.Observation{Task: item.Task, Stage: item.Stage, Manner: l.manner(nth), Material: l.InHand(nth), Help: book.Alone, Answer: item.Task.Result(), Came: book.Marked, Runs: 1, Day: day, Whole: true}
	switch s.Mark {
	case ByDefault:
		o.Came = book.Default
	case Right, Mirrored:
	case Other:
		o.Answer, o.Came = s.Answer, book.Typed
	default:
		return o, false
	}
	if explained {
		o.Way = way
		if o.Right() {
			o.Help = book.Explains
			if o.Came == book.Default { // the class has heard it
				o.Came = book.Marked
			}
		}
	}
	return o, item.Slated()
}

// AllSlates returns the slates of all who are here, in the order of the lesson's children:
// those that nobody marked are right with the others.
func (l Lesson) AllSlates(marked []Slate, here map[string]bool) []Slate {
	var all []Slate
	for _, child := range l.Children {
		if !here[child] {
			continue
		}
		s := Slate{Child: child, Mark: ByDefault}
		if i := slices.IndexFunc(marked, func(m Slate) bool { return m.Child == child }); i >= 0 {
			s = marked[i]
		}
		all = append(all, s)
	}
	return all
}

// RightOf counts the slates of a task that are right, and those that are evidence at all.
func (l Lesson) RightOf(nth int, slates []Slate) (right, read int) {
	for _, s := range slates {
		if o, is := l.Evidence(nth, s, false, "", 0); is {
			read++
			if o.Right() {
				right++
			}
		}
	}
	return right, read
}

// Reversed is what stands on a slate whose digits are in reverse; empty where the task is not
// answered by one number, or that number has no reverse.
func (i Item) Reversed() string {
	right := i.Task.Right()
	if len(right) != 1 || i.Task.Result() != strconv.Itoa(int(right[0])) {
		return ""
	}
	wrong, applies := slip.Reversed(right[0])
	if !applies {
		return ""
	}
	return strconv.Itoa(int(wrong))
}

// CheckSlates tells why slates of a task cannot be kept.
func (l Lesson) CheckSlates(nth int, slates []Slate) error {
	if !l.Whole {
		return ErrSlates
	}
	if nth < 0 || nth >= len(l.Items) {
		return fmt.Errorf("%w: %d", ErrTask, nth)
	}
	for i, s := range slates {
		switch {
		case !slices.Contains(Marks(), s.Mark):
			return fmt.Errorf("%w: %q", ErrMark, s.Mark)
		case len([]rune(s.Answer)) > book.MostAnswer:
			return book.ErrLong
		case slices.ContainsFunc(slates[:i], func(other Slate) bool { return other.Child == s.Child }):
			return ErrTwice
		}
	}
	if len(slates) > 0 && !l.Items[nth].Slated() {
		return ErrNoSlate
	}
	return nil
}

// Spot is where a child sits: a column from the left and a row from the front.
type Spot struct{ X, Y int }

// seatsInRow is how many sit side by side where nobody has said.
const seatsInRow = 6

// Sit gives each child a seat: its own, or else the first that is free, row by row from the
// front.
func Sit(known map[string]Spot, children []string) map[string]Spot {
	at, taken := map[string]Spot{}, map[Spot]bool{}
	for _, child := range children {
		if spot, has := known[child]; has {
			at[child] = spot
			taken[spot] = true
		}
	}
	next := 0
	for _, child := range children {
		if _, has := at[child]; has {
			continue
		}
		for taken[Spot{next % seatsInRow, next / seatsInRow}] {
			next++
		}
		at[child] = Spot{next % seatsInRow, next / seatsInRow}
		taken[at[child]] = true
	}
	return at
}
