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
	GoBack    StepKind = "go-back"    // a wobble, or one slip again and again: back to the nearest manner with material
	LetBe     StepKind = "let-be"     // repeats by choice today
	LookAgain StepKind = "look-again" // secure, and not seen for a while
	GoOn      StepKind = "go-on"      // under way: what is missing
	Begin     StepKind = "begin"      // ready for it
	KeepUp    StepKind = "keep-up"    // all is secure: what was not used for longest
)

// slipToGoBack is how many wrong answers one slip explains where a child who is
// under way goes back to material.
const slipToGoBack = 3

// NextStep is something to do with a child next, and what it rests on.
type NextStep struct {
	Kind   StepKind
	Stage  choose.StageID
	Manner book.Manner // in which to work it
	Lobe   Lobe        // what it rests on; without a state for Begin
}

// NextSteps lists what to do with a child next in all strands. Nothing is begun that builds
// on what wobbles. A child who worked by choice is not pushed on to anything else that day.
func (c Child) NextSteps(today book.Day) []NextStep {
	var steps []NextStep
	repeated, _, repeats := c.Repeats(today)
	for _, strand := range Strands() {
		for _, leaf := range c.Vine(strand, today) {
			steps = append(steps, stepsOf(leaf)...)
		}
	}
	var wobbling []choose.StageID
	for _, s := range steps {
		if s.Lobe.State == Wobbling {
			wobbling = append(wobbling, s.Stage)
		}
	}
	steps = slices.DeleteFunc(steps, func(s NextStep) bool {
		return s.Kind == Begin && slices.ContainsFunc(wobbling, func(id choose.StageID) bool { return BuildsOn(s.Stage, id) })
	})
	if repeats {
		steps = slices.DeleteFunc(steps, func(s NextStep) bool { return s.Kind == GoOn || s.Kind == Begin })
		steps = append(steps, NextStep{LetBe, repeated.Stage, repeated.Manner, c.Lobe(repeated, today)})
	}
	order := []StepKind{GoBack, LetBe, LookAgain, GoOn, Begin}
	rank := func(s NextStep) int {
		if s.Kind == Begin && len(c.Proofs(s.Stage, today)) == 0 {
			return len(order) // what nothing leads to comes last
		}
		return slices.Index(order, s.Kind)
	}
	slices.SortStableFunc(steps, func(a, b NextStep) int { return cmp.Compare(rank(a), rank(b)) })
	return steps
}

// stepsOf is a step for each lobe that asks for one.
func stepsOf(leaf Leaf) []NextStep {
	if leaf.State == Ready {
		return []NextStep{{Kind: Begin, Stage: leaf.Stage, Manner: leaf.Lobes[0].Manner}}
	}
	var steps []NextStep
	for _, lobe := range leaf.Lobes {
		step := NextStep{Stage: leaf.Stage, Manner: lobe.Manner, Lobe: lobe}
		switch lobe.State {
		case Wobbling:
			step.Kind, step.Manner = GoBack, backTo(leaf, lobe.Manner)
		case CheckAgain:
			step.Kind = LookAgain
		case UnderWay, Shown:
			step.Kind = GoOn
			if back := backTo(leaf, lobe.Manner); lobe.Fits >= slipToGoBack && back != lobe.Manner {
				step.Kind, step.Manner = GoBack, back
			}
		default:
			continue
		}
		steps = append(steps, step)
	}
	return steps
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

// Presented tells whether work in a manner can be presented in a lesson: of snakes there is no
// mat yet.
func (k Key) Presented() bool {
	return k.Stage != choose.FirstSnake && k.Stage != choose.SecondSnake
}

// LongestUnused is what is secure and was not used for longest; false where nothing is.
func (c Child) LongestUnused() (key Key, found bool) {
	for k, s := range c.Standings {
		if s.State != Secure || !k.Presented() {
			continue
		}
		if was := c.Standings[key]; !found || s.Used < was.Used || s.Used == was.Used && k.Compare(key) < 0 {
			key, found = k, true
		}
	}
	return key, found
}
