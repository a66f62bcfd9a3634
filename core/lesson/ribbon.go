package lesson

import (
	"vineswap/core/place"
	"vineswap/core/say"
	"vineswap/core/trace"
)

// Mark is one step of the ribbon that shows where a lesson is.
type Mark struct {
	Name string
	At   string // the position that it leads to; empty off the mat
}

// gatherMark is where the ribbon stands while a lesson is gathered.
const gatherMark = 1

// Ribbon lists the marks of a lesson with so many children, and says for each step
// of its trace to which of them it belongs.
func (v View) Ribbon(w say.Words, children int) (marks []Mark, of []int) {
	marks = []Mark{{Name: say.Choose}, {Name: say.Gather}}
	of = make([]int, len(v.Trace.Steps))
	for i, s := range v.Trace.Steps {
		// Swaps that are made first are one stretch of the work.
		if s.At.Ordinal == 0 && (s.At.Phase != trace.Swapping || s.At.Place == place.Ones) {
			marks = append(marks, Mark{w.Phase(s.At, v.Trace.Scene), s.At.String()})
		}
		of[i] = len(marks) - 1
	}
	if children > 0 {
		marks = append(marks, Mark{Name: say.Record})
	}
	return marks, of
}

// Now is where a lesson is on its ribbon, what was said last and what is done next.
type Now struct {
	Mark       int
	Said, Next string
}

// Now says where the lesson is on its ribbon, with so many children. A task that
// has no trace is only gathered and written up.
func (l Lesson) Now(v View, w say.Words, children int) Now {
	marks, of := v.Ribbon(w, children)
	last := len(v.Lines) - 1
	switch {
	case l.Stand == Ended && last < 0:
		return Now{Mark: len(marks) - 1}
	case l.Stand == Ended:
		return Now{Mark: len(marks) - 1, Said: v.Lines[last].String()}
	case last < 0:
		return Now{Mark: gatherMark, Next: Finish(children)}
	case l.Stand == Gathering:
		return Now{gatherMark, say.Gathering, v.Lines[0].Do}
	case v.Index == last:
		return Now{of[v.Index], v.Lines[last].String(), Finish(children)}
	}
	return Now{of[v.Index], v.Lines[v.Index].String(), v.Lines[v.Index+1].Do}
}

// Finish is what is done after the last step: with children it is written up.
func Finish(children int) string {
	if children > 0 {
		return say.WriteUp
	}
	return say.Finish
}
