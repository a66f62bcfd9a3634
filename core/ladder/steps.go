package ladder

import (
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
	Return    StepKind = "return"     // one without pieces was wrong: with pieces and the column again
	Leave     StepKind = "leave"      // secure with pieces, and the last few alone: try one without
	GoOn      StepKind = "go-on"      // under way: what is missing
	Begin     StepKind = "begin"      // ready for it
	KeepUp    StepKind = "keep-up"    // all is secure: what was not used for longest
)

// slipToGoBack is how many wrong answers one slip explains where a child who is
// under way goes back to material.
const slipToGoBack = 3

// aloneToLeave is how many of the last answers with pieces are right alone where a child
// tries one without.
const aloneToLeave = 3

// NextStep is something to do with a child next, and what it rests on.
type NextStep struct {
	Kind   StepKind
	Stage  choose.StageID
	Manner book.Manner // in which to work it
	Lobe   Lobe        // what it rests on; without a state for Begin
}

// NextSteps lists what to do with a child next in all strands. Nothing is begun, and no pieces
// are left, over what wobbles. A child who worked by choice is not pushed on to anything else
// that day.
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
		return (s.Kind == Begin || s.Kind == Leave) && slices.ContainsFunc(wobbling, func(id choose.StageID) bool { return BuildsOn(s.Stage, id) })
	})
	if repeats {
		steps = slices.DeleteFunc(steps, func(s NextStep) bool { return s.Kind == GoOn || s.Kind == Begin || s.Kind == Leave })
		steps = append(steps, NextStep{LetBe, repeated.Stage, repeated.Manner, c.Lobe(repeated, today)})
	}
	var ranked, last []NextStep
	for _, kind := range []StepKind{GoBack, LetBe, LookAgain, Return, Leave, GoOn, Begin} {
		for _, s := range steps {
			switch {
			case s.Kind != kind:
			case kind == Begin && !c.proven(s.Stage):
				last = append(last, s) // what nothing leads to comes last
			default:
				ranked = append(ranked, s)
			}
		}
	}
	return append(ranked, last...)
}

// stepsOf is a step for each lobe that asks for one.
func stepsOf(leaf Leaf) []NextStep {
	if leaf.State == Ready {
		return []NextStep{{Kind: Begin, Stage: leaf.Stage, Manner: leaf.Lobes[0].Manner}}
	}
	var steps []NextStep
	without, leaves := leaf.leaving()
	if leaves {
		steps = append(steps, without)
	}
	for _, lobe := range leaf.Lobes {
		if leaves && (lobe.State == UnderWay || lobe.State == Shown) && (lobe.Manner == without.Lobe.Manner || lobe.Manner == without.Manner) {
			continue // the one step says all of it
		}
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

// leaving is the step by which a child leaves the pieces: where it is secure with them and the
// last few were right alone, one is tried in the first manner without them (Leave). Where
// that one was wrong, and none was right since, it works with pieces and the column again
// (Return) until the last few there, the last of them later, were right alone. False where it
// has begun without pieces, where something of the stage wobbles, and where the stage has no
// other manner.
func (l Leaf) leaving() (NextStep, bool) {
	with, tried := -1, -1 // the manner with the most that is written beside pieces, and the first without
	secure := -1
	for i, lobe := range l.Lobes {
		switch {
		case lobe.State == Wobbling:
			return NextStep{}, false
		case !lobe.Manner.WithMaterial() && tried < 0:
			tried = i
		case lobe.Manner.WithMaterial():
			with = i
			if lobe.State == Secure && (secure < 0 || lobe.Last > l.Lobes[secure].Last) {
				secure = i
			}
		}
	}
	if with < 0 || tried < 0 || secure < 0 {
		return NextStep{}, false
	}
	out, back := l.Lobes[tried], l.Lobes[with]
	leave := NextStep{Kind: Leave, Stage: l.Stage, Manner: out.Manner, Lobe: l.Lobes[secure]}
	switch {
	case out.State == NotYet || out.State == Shown:
		return leave, l.Lobes[secure].InRow >= aloneToLeave
	case out.State != UnderWay || out.Alone > 0 || out.Right == out.Tried:
		return NextStep{}, false
	case back.InRow >= aloneToLeave && back.Last > out.Last:
		leave.Lobe = back
		return leave, true
	}
	return NextStep{Kind: Return, Stage: l.Stage, Manner: back.Manner, Lobe: out}, true
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

// LongestUnused is what is secure and was not used for longest; false where nothing is.
func (c Child) LongestUnused() (key Key, found bool) {
	for k, s := range c.Standings {
		if s.State != Secure {
			continue
		}
		if was := c.Standings[key]; !found || s.Used < was.Used || s.Used == was.Used && k.Compare(key) < 0 {
			key, found = k, true
		}
	}
	return key, found
}
