package numberrods

import (
	"vineswap/core/piece"
	"vineswap/core/place"
	"vineswap/core/task"
	"vineswap/core/trace"
)

// The zones of the rods: in order, and those that lie beside one another.
const (
	Stair trace.Zone = "stair"
	Below trace.Zone = "below"
)

// The kinds of step.
const (
	Lay    trace.StepKind = "lay"    // the rods lie there
	Place  trace.StepKind = "place"  // the next rod is laid in order
	Count  trace.StepKind = "count"  // the rods in order are counted
	First  trace.StepKind = "first"  // one is laid out
	Second trace.StepKind = "second" // another one end to end with it
	Long   trace.StepKind = "long"   // one beside them
	Same   trace.StepKind = "same"   // they are as long
)

// View is which rods lie where after a step.
type View struct {
	Stair int   // so many lie in order, from the one of one part
	Above []int // end to end, from the left
	Under int   // beside them; 0 for none
	Flush bool  // they are as long, and it is seen
}

// Work is what a trace of rods knows besides.
type Work struct {
	Rods  Rods
	Views []View // by step
}

// Worked is the work of a trace that rods made; false for another.
func Worked(t trace.Trace) (Work, bool) {
	w, of := t.Own.(Work)
	return w, of
}

type worker struct {
	trace.Viewer[View]
	Rods
}

// Solve works a question with the rods.
func Solve(r Rods) (trace.Trace, error) {
	if err := r.Valid(); err != nil {
		return trace.Trace{}, err
	}
	w := worker{Rods: r}
	w.View.Above = []int{}
	w.Enter(trace.LayOut, place.Ones)
	if r.Asks == Order {
		w.order()
	} else {
		w.beside()
	}
	return trace.Trace{Task: r.Task(), Scene: Scene, Steps: w.Steps(), Own: Work{r, w.Views}}, nil
}

func init() {
	trace.Register(Kind, func(t task.Task, _ trace.Method) (trace.Trace, error) {
		r, of := From(t)
		if !of {
			return trace.Trace{}, trace.ErrNoTrace
		}
		return Solve(r)
	})
}

// order lays rod after rod, the shortest first.
func (w *worker) order() {
	w.Show(trace.Step{Kind: Lay, Count: w.Rods.Long})
	for rod := 1; rod <= w.Rods.Long; rod++ {
		w.View.Stair = rod
		w.Show(trace.Step{Kind: Place, Count: rod}, trace.Moving(trace.Store, Stair, piece.Rod(rod), 1))
	}
	w.Enter(trace.Reading, place.Ones)
	w.Show(trace.Step{Kind: Count, Count: w.Rods.Long})
}

// beside takes two rods from those that lie in order, end to end, and a third beside them. Two
// that are alike cannot be taken from one set: the second one is another set's.
func (w *worker) beside() {
	r := w.Rods
	var moves []trace.Move
	for rod := 1; rod <= piece.LongestRod; rod++ {
		moves = append(moves, trace.Moving(trace.Store, Stair, piece.Rod(rod), 1))
	}
	from := Stair
	if r.Second() == r.First {
		moves = append(moves, trace.Moving(trace.Store, "spare", piece.Rod(r.Second()), 1))
		from = "spare"
	}
	w.View.Stair = piece.LongestRod
	w.Show(trace.Step{Kind: Lay, Count: piece.LongestRod}, moves...)
	w.Enter(trace.Counting, place.Ones)
	first := func() {
		w.View.Above = []int{r.First}
		w.Show(trace.Step{Kind: First, Count: r.First}, trace.Moving(Stair, Below, piece.Rod(r.First), 1))
	}
	second := func() {
		w.View.Above = []int{r.First, r.Second()}
		w.Show(trace.Step{Kind: Second, Count: r.Second()}, trace.Moving(from, Below, piece.Rod(r.Second()), 1))
	}
	long := func() {
		w.View.Under = r.Long
		w.Show(trace.Step{Kind: Long, Count: r.Long}, trace.Moving(Stair, Below, piece.Rod(r.Long), 1))
	}
	if r.Asks == Missing {
		long()
		first()
		second()
	} else {
		first()
		second()
		long()
	}
	w.Enter(trace.Reading, place.Ones)
	w.View.Flush = true
	w.Show(trace.Step{Kind: Same, Count: r.Long})
}
