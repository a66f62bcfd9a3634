package lesson

import (
	"slices"

	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/slip"
	"vineswap/core/swap"
	"vineswap/core/task"
	"vineswap/core/trace"
)

// Gave is a wrong answer to a task that slips explain.
type Gave struct {
	Answer task.Answer
	Slips  [][]slip.ID   // each gives just this: one slip, or two together; two only where no one does
	Shows  []place.Place // in which digits the answer differs from the right one, the ones first
	Lacks  []Fewer       // what the pieces of the right answer have and the answer does not; none where it also has too much
	Step   *trace.Position
	Swaps  bool // the step that helps is a swap
}

// Fewer is so many pieces of a place.
type Fewer struct {
	Place place.Place
	Count int
}

// Wrongs lists the answers to a task that slips explain, with the step of the work, as the
// class works it, that helps: of a slip in a place the swap that leads there.
func Wrongs(t task.Task, m trace.Method) []Gave {
	var all []Gave
	add := func(answer task.Answer, ids ...slip.ID) {
		i := slices.IndexFunc(all, func(g Gave) bool { return g.Answer.Equal(answer) })
		switch {
		case i < 0:
			all = append(all, Gave{Answer: answer, Slips: [][]slip.ID{ids}})
		case len(ids) == 1 || len(all[i].Slips[0]) == 2:
			all[i].Slips = append(all[i].Slips, ids)
		}
	}
	for _, w := range t.Wrong() {
		add(w.Answer, w.Slip)
	}
	p, isProblem := problem.From(t)
	if !isProblem {
		return all
	}
	if o, numbers, inColumns := p.InColumns(); inColumns {
		for _, pair := range slip.Pairs() {
			if !slip.Shows(pair[0], o) || !slip.Shows(pair[1], o) {
				continue
			}
			if answer, ok := slip.New(pair[0], pair[1]).Answer(o, numbers); ok && place.Number(answer) != p.Answer() {
				add(task.Answer{place.Number(answer)}, pair[0], pair[1])
			}
		}
	}
	tr, err := swap.By(m, p)
	for i := range all {
		all[i].compare(p)
		if err == nil {
			all[i].help(tr)
		}
	}
	return all
}

// compare finds the digits that differ, and what the answer lacks.
func (g *Gave) compare(p problem.Problem) {
	given, right := g.Answer[0], p.Answer()
	more := false
	for at := range max(given.Top(), right.Top()) + 1 {
		switch off := right.Digit(at) - given.Digit(at); {
		case off > 0:
			g.Shows = append(g.Shows, at)
			g.Lacks = append(g.Lacks, Fewer{at, off})
		case off < 0:
			g.Shows = append(g.Shows, at)
			more = true
		}
	}
	if more || g.Answer[0] >= right {
		g.Lacks = nil
	}
}

// help finds the step that helps: what is laid where the slip is in how the numbers are read
// or set down; else the swap from the place that is worked before the first wrong digit, or in
// the place itself, or the work there.
func (g *Gave) help(tr swap.Trace) {
	if slip.Whole(g.Slips[0][0]) || len(g.Shows) == 0 {
		for _, s := range tr.Steps {
			if s.Kind == swap.Build || s.Kind == swap.Label {
				at := s.At
				g.Step = &at
				return
			}
		}
		return
	}
	first := g.Shows[0]
	var own *trace.Position
	before := first - 1
	if tr.Problem.Kind == problem.Sharing {
		before = first + 1
	}
	for _, wanted := range []place.Place{before, first} {
		for _, s := range tr.Steps {
			if s.At.Phase != trace.Work && s.At.Phase != trace.Swapping || s.At.Place != wanted {
				continue
			}
			at := s.At
			if s.Kind == swap.MakeSwap || s.Kind == swap.SwapDown {
				g.Step, g.Swaps = &at, true
				return
			}
			if wanted == first && own == nil {
				own = &at
			}
		}
	}
	g.Step = own
}
