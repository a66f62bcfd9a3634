package chain

import (
	"fmt"

	"vineswap/core/piece"
	"vineswap/core/place"
	"vineswap/core/task"
	"vineswap/core/trace"
)

// Scene is how a chain lies.
const Scene trace.Scene = "chain"

// The zones of a chain: laid out in a line, folded, and each bar that was counted off in a
// number.
const (
	Line   trace.Zone = "line"
	Square trace.Zone = "square"
	Ringed trace.Zone = "ringed"
)

// Tag is what is laid at a bar's end.
const Tag trace.Thing = "tag"

// The kinds of step.
const (
	Lay    trace.StepKind = "lay"    // the chain is stretched out
	Begin  trace.StepKind = "begin"  // it is counted from a tag
	Five   trace.StepKind = "five"   // five beads of a bar more
	One    trace.StepKind = "one"    // one bead more
	AtEnd  trace.StepKind = "tag"    // a bar's end: its tag is laid
	Aloud  trace.StepKind = "aloud"  // the tags are read from the beginning
	Fold   trace.StepKind = "fold"   // a bar is folded beside the others
	Whole  trace.StepKind = "whole"  // all bars lie side by side: a square
	Group  trace.StepKind = "group"  // as many bars as make a square are folded
	Stack  trace.StepKind = "stack"  // the squares are stacked: a cube
	Ring   trace.StepKind = "ring"   // one bar is counted off in the number
	Answer trace.StepKind = "answer" // how many there are
)

// View is how the chain lies after a step.
type View struct {
	Tagged  int // bars whose tags lie there
	Along   int // beads of the next bar that are counted
	Folded  int // bars that are folded
	Squares int // squares that are folded, of a long chain
	Stacked bool
	Ringed  int
}

// Work is what a chain's trace knows besides.
type Work struct {
	Chain Chain
	Views []View // by step
}

// Worked is the work of a trace that a chain made; false for another.
func Worked(t trace.Trace) (Work, bool) {
	w, of := t.Own.(Work)
	return w, of
}

type worker struct {
	trace.Viewer[View]
	Chain
}

// bar is the piece that a bar of the chain is.
func (c Chain) bar() piece.Piece {
	switch c.Beads {
	case LongestBar:
		return piece.Of(place.Tens)
	case hundred:
		return piece.Of(place.Hundreds)
	}
	return piece.Bar(c.Beads)
}

// Solve works a chain: it is laid, counted and folded; or its bars are counted off in a number.
func Solve(c Chain) (trace.Trace, error) {
	if err := c.Valid(); err != nil {
		return trace.Trace{}, err
	}
	w := worker{Chain: c}
	w.Enter(trace.LayOut, place.Ones)
	w.Show(trace.Step{Kind: Lay, Count: c.Total()}, trace.Moving(trace.Store, Line, c.bar(), c.Bars))
	t := trace.Trace{Task: c.Task(), Scene: Scene}
	if c.Asks == HowMany {
		w.rings()
	} else {
		t.Things = []trace.Fetch{{Thing: Tag, Count: c.Bars - c.From}}
		w.counts()
		w.folds()
	}
	t.Steps, t.Own = w.Steps(), Work{c, w.Views}
	return t, nil
}

func init() {
	trace.Register(Kind, func(t task.Task, _ trace.Method) (trace.Trace, error) {
		c, of := From(t)
		if !of {
			return trace.Trace{}, trace.ErrNoTrace
		}
		return Solve(c)
	})
}

// counts goes along the chain from bar to bar.
func (w *worker) counts() {
	c := w.Chain
	w.Enter(trace.Counting, place.Ones)
	if c.From > 0 {
		w.View.Tagged = c.From
		w.Show(trace.Step{Kind: Begin, Count: c.From * c.Beads, Ten: c.From})
	}
	for bar := c.From + 1; bar <= c.Bars; bar++ {
		w.along(bar)
		w.View.Tagged, w.View.Along = bar, 0
		w.Show(trace.Step{Kind: AtEnd, Count: bar * c.Beads, Ten: bar})
	}
	w.Enter(trace.Reading, place.Ones)
	w.Show(trace.Step{Kind: Aloud, Count: c.Total(), Ten: c.Bars})
}

// along goes along one bar by five and then by ones, up to its last bead.
func (w *worker) along(bar int) {
	if !w.Chain.Fives || w.Chain.Beads <= 5 {
		return
	}
	before := (bar - 1) * w.Chain.Beads
	w.View.Along = 5
	w.Show(trace.Step{Kind: Five, Count: before + 5, Ten: bar})
	for bead := 6; bead < w.Chain.Beads; bead++ {
		w.View.Along = bead
		w.Show(trace.Step{Kind: One, Count: before + bead, Ten: bar})
	}
}

// folds lays the bars side by side, and the squares of a long chain on one another.
func (w *worker) folds() {
	c := w.Chain
	w.Enter(trace.Folding, place.Ones)
	switch {
	case c.Folds():
		for bar := 1; bar <= c.Bars; bar++ {
			w.View.Folded = bar
			w.Show(trace.Step{Kind: Fold, Count: bar * c.Beads, Ten: bar}, trace.Moving(Line, Square, c.bar(), 1))
		}
		w.Show(trace.Step{Kind: Whole, Count: c.Total(), Ten: c.Bars})
	case c.Stacks():
		for n := 1; n <= c.Beads; n++ {
			w.View.Folded, w.View.Squares = n*c.Beads, n
			w.Show(trace.Step{Kind: Group, Count: n * c.Beads * c.Beads, Ten: n}, trace.Moving(Line, Square, c.bar(), c.Beads))
		}
		w.View.Stacked = true
		w.Show(trace.Step{Kind: Stack, Count: c.Total(), Ten: c.Beads})
	}
}

// rings counts bar after bar off in the number.
func (w *worker) rings() {
	c := w.Chain
	w.Enter(trace.Counting, place.Ones)
	for bar := 1; bar <= c.Bars; bar++ {
		w.View.Ringed = bar
		w.Show(trace.Step{Kind: Ring, Count: bar * c.Beads, Ten: bar}, trace.Moving(Line, Ringed, c.bar(), 1))
	}
	w.Enter(trace.Reading, place.Ones)
	w.Show(trace.Step{Kind: Answer, Count: c.Bars, Ten: c.Bars})
}

// Tags are what stands on the tags, from the first bar's.
func (c Chain) Tags() []int {
	tags := make([]int, c.Bars)
	for i := range tags {
		tags[i] = (i + 1) * c.Beads
	}
	return tags
}

// Written is the chain as far as so many bars, as a sum of equal numbers and as so many times
// one of them.
func (c Chain) Written(bars int) (sum, times string) {
	const few = 6 // of more the sum is no line any more
	if bars >= 1 && bars <= few {
		for i := range bars {
			if i > 0 {
				sum += " + "
			}
			sum += fmt.Sprint(c.Beads)
		}
		sum += fmt.Sprintf(" = %d", bars*c.Beads)
	}
	return sum, fmt.Sprintf("%d × %d = %d", bars, c.Beads, bars*c.Beads)
}
