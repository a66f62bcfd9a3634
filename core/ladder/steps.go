package ladder

import (
	"cmp"
	"slices"

	"vineswap/core/book"
	"vineswap/core/choose"
)

// StepKind is why something is the next step for a child.
type StepKind string

// The kinds of next step, the most pressing first.
const (
	GoBack    StepKind = "go-back"    // a wobble: back to the nearest manner with material
	LookAgain StepKind = "look-again" // secure, and not seen for a while
	GoOn      StepKind = "go-on"      // under way: what is missing
	Begin     StepKind = "begin"      // ready for it
	LetBe     StepKind = "let-be"     // repeats by choice
)

// NextStep is something to do with a child next, and what it rests on.
type NextStep struct {
	Kind   StepKind
	Stage  choose.StageID
	Manner book.Manner // in which to work it
	Lobe   Lobe        // what it rests on; without a state for Begin
}

// NextSteps lists what to do with a child next in all strands. A child who
// repeats by choice is not pushed on to another stage.
func (s Standings) NextSteps(today book.Day) []NextStep {
	var steps []NextStep
	repeated, runs, repeats := s.Repeats()
	for _, strand := range Strands() {
		for _, leaf := range s.Vine(strand, today) {
			steps = append(steps, stepsOf(leaf, repeats)...)
		}
	}
	if repeats {
		standing := s[repeated]
		standing.Grounds.Chosen = runs
		steps = append(steps, NextStep{LetBe, repeated.Stage, repeated.Manner, Lobe{repeated.Manner, standing.State, standing}})
	}
	order := []StepKind{GoBack, LetBe, LookAgain, GoOn, Begin}
	slices.SortStableFunc(steps, func(a, b NextStep) int { return cmp.Compare(slices.Index(order, a.Kind), slices.Index(order, b.Kind)) })
	return steps
}

func stepsOf(leaf Leaf, repeats bool) []NextStep {
	if leaf.State == Ready {
		if repeats {
			return nil
		}
		return []NextStep{{Kind: Begin, Stage: leaf.Stage, Manner: book.Pieces}}
	}
	lobe, of := leaf.Worst()
	if !of {
		return nil
	}
	switch leaf.State {
	case Wobbling:
		return []NextStep{{GoBack, leaf.Stage, backTo(leaf, lobe.Manner), lobe}}
	case CheckAgain:
		return []NextStep{{LookAgain, leaf.Stage, lobe.Manner, lobe}}
	case UnderWay, Shown:
		if repeats {
			return nil
		}
		return []NextStep{{GoOn, leaf.Stage, lobe.Manner, lobe}}
	}
	return nil
}

// backTo is the nearest manner with material before a manner, among those of the
// stage; the first where there is none.
func backTo(leaf Leaf, from book.Manner) book.Manner {
	back := leaf.Lobes[0].Manner
	for _, lobe := range leaf.Lobes {
		if lobe.Manner == from {
			break
		}
		if lobe.Manner.WithMaterial() {
			back = lobe.Manner
		}
	}
	return back
}
