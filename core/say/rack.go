package say

import (
	"fmt"

	"vineswap/core/number"
	"vineswap/core/place"
	"vineswap/core/rack"
	"vineswap/core/trace"
)

// seeingNames name the ways of seeing a number on a rack.
var seeingNames = map[rack.Way]string{
	rack.AtOnce: "all at once", rack.FiveAndSome: "five and some", rack.TensThenOnes: "tens then ones", rack.FromFifty: "from fifty", rack.FromHundred: "from a hundred back", rack.Doubles: "doubles",
}

// RackSide is the side to which the beads of a rack are pushed.
type RackSide string

// The sides of RackSide. The empty one is ToLeft.
const (
	ToLeft  RackSide = "left"
	ToRight RackSide = "right"
)

// RackSides returns both, the usual one first.
func RackSides() []RackSide { return []RackSide{ToLeft, ToRight} }

// RackExample says how a number is pushed.
func RackExample(side RackSide) string {
	if side == ToRight {
		return "Seven are pushed from the left to the right."
	}
	return "Seven are pushed from the right to the left."
}

// RackBeads names the beads of one colour of a rack, the first or the second.
func RackBeads(nth int) string { return [2]string{"first five beads", "second five beads"}[nth] }

// Seeing names a way of seeing a number on a rack.
func Seeing(w rack.Way) string { return seeingNames[w] }

// Looks counts looks: "one look", "3 looks".
func Looks(n int) string {
	if n == 1 {
		return "one look"
	}
	return fmt.Sprint(n, " looks")
}

// Pushes counts pushes: "one push", "7 pushes"; nothing needs none.
func Pushes(n int) string {
	switch n {
	case 0:
		return "no push"
	case 1:
		return "one push"
	}
	return fmt.Sprint(n, " pushes")
}

// missing says what is missing to ten in a frame, on a rack or of the fingers.
func (l numberTable) missing(s trace.Step) told {
	full, do, empty := "the frame is full", "Fill it up", "cells are empty"
	switch l.Asked.Shown {
	case number.Rack10:
		full, do, empty = "the row is full", "Push the others", "beads are missing"
	case number.Fingers:
		full, do, empty = "all fingers are up", "Put up the others", "fingers are down"
	}
	if s.Count == 0 {
		return told{"Look again", []Span{plain("Nothing is missing: %s.", full)}, "How many " + empty + "?"}
	}
	n := place.Number(s.Count)
	return told{do, []Span{l.tell(capital(l.Number(n)), place.Ones), plain(" more: %s and %s make ten.", l.Number(l.Asked.Number), l.Number(n))}, "How many " + empty + "?"}
}

// racked is a row of the rack that is seen or pushed, or the fingers that are up.
func (l numberTable) racked(s trace.Step) told {
	n, before := place.Number(s.Count), place.Number(10*max(0, s.Ten-1))
	in := n - before
	do := fmt.Sprintf("Look at row %d", s.Ten)
	switch s.Kind {
	case number.PushRow:
		do = "Push " + l.Number(in)
	case number.SeeHands:
		do = "Look at the hands"
	}
	ask := "How many are there now?"
	switch {
	case s.Kind == number.SeeHands && n == 10:
		return told{do, []Span{l.tell("Ten", place.Tens), plain(": all fingers are up.")}, ask}
	case in == 10 && s.Ten == 1:
		return told{do, []Span{l.tell("Ten", place.Tens), plain(": a full row.")}, ask}
	case in == 10:
		return told{do, []Span{l.tell(capital(l.Number(n)), place.Tens), plain(": %s full rows.", l.Number(place.Number(s.Ten)))}, ask}
	case s.Ten > 1:
		return told{do, []Span{plain("%s and %s: ", capital(l.Number(before)), l.Number(in)), l.tell(l.Number(n), place.Ones), plain(".")}, ask}
	case in > 5:
		return told{do, []Span{plain("Five and %s: ", l.Number(in-5)), l.tell(l.Number(n), place.Ones), plain(".")}, ask}
	}
	return told{do, []Span{l.tell(capital(l.Number(n)), place.Ones), plain(".")}, ask}
}
