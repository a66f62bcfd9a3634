package say

import (
	"fmt"
	"strings"

	"vineswap/core/choose"
	"vineswap/core/material"
	"vineswap/core/place"
	"vineswap/core/swap"
)

// What a lesson says of itself outside its steps.
const (
	Choose    = "choose"                                                // the ribbon's first mark
	Gather    = "gather"                                                // and its second
	Record    = "record"                                                // its last, where there are children
	WriteUp   = "Write who did what"                                    // what is done after the last step with children
	Finish    = "Finish the lesson"                                     // what is done after the last step
	Gathering = "The numbers are chosen. Next the pieces are gathered." // said before the first step
)

// Phase names the stretch of the work that a position lies in, as on the
// ribbon: "build", "join", the place at work, "read".
func (w Words) Phase(at swap.Position) string {
	switch at.Phase {
	case swap.Before:
		return "estimate"
	case swap.Checking:
		return "check"
	case swap.LayOut:
		return "build"
	case swap.Joining:
		return "join"
	case swap.Work:
		return w.PlaceMany(at.Place)
	case swap.Swapping:
		return w.down().SwapNouns()
	}
	return "read"
}

// Role says what a child at the mat does: the numbers that it builds, the places
// that are its turns, whether it keeps the store. A child with nothing of these
// lays the large cards.
func (w Words) Role(builds []place.Number, works []place.Place, store bool) string {
	var parts, places []string
	for _, p := range works {
		places = append(places, "the "+w.PlaceMany(p))
	}
	if len(builds) > 0 {
		parts = append(parts, "builds "+list(w.numerals(builds)))
	}
	if len(places) > 0 {
		parts = append(parts, "works "+list(places))
	}
	if store {
		parts = append(parts, "keeps the store")
	}
	if len(parts) == 0 {
		return "lays the large cards"
	}
	return strings.Join(parts, ", ")
}

// Trays says what the trays of a problem are for.
func Trays(p swap.Problem) string {
	if p.Kind == swap.Difference {
		return "one for the larger number, one for what is taken"
	}
	return fmt.Sprintf("%s for the numbers, one for the result", place.Number(len(p.Numbers)).Words(false))
}

// Trays names what lies on each tray of a problem, and the tray of the result,
// where there is one.
func (w Words) Trays(p swap.Problem) (laid []string, result string) {
	if p.Kind == swap.Difference {
		return []string{w.Numeral(p.Numbers[0]), "what is taken"}, ""
	}
	return w.numerals(p.Numbers), "the result"
}

// CardSets says how many sets of cards there are.
func CardSets(numbers int) string {
	return fmt.Sprintf("%s small, one large", place.Number(numbers).Words(false))
}

// Minutes says how long a lesson takes.
func Minutes(n int) string { return fmt.Sprintf("about %d minutes", n) }

// MinutesBasis says what the minutes are made of.
func (w Words) MinutesBasis(swaps int) string {
	return fmt.Sprintf("Three for laying out, three quarters of one for each %s, one for saying back: %s.", w.forms().noun, w.Swaps(swaps))
}

// TooLarge says why a result is not laid out.
func TooLarge(answer place.Number) string {
	return fmt.Sprintf("%d is more than pieces can show: there is no piece above the thousand cube.", answer)
}

// OtherWork says why sharing and trays are not laid out.
const OtherWork = "The mat shows joining and taking away so far: these numbers are for paper and for hands."

// Boundary names where a knot of an operation lies: what comes up goes from the
// place to the next, what comes down into it.
func (w Words) Boundary(op choose.Op, p place.Place) string {
	next, _ := p.Next()
	switch op {
	case choose.Take:
		return fmt.Sprintf("%s to %s", w.PlaceMany(next), w.PlaceMany(p))
	case choose.Share:
		return fmt.Sprintf("%s to %s", w.PlaceMany(p), w.PlaceMany(p-1))
	}
	return fmt.Sprintf("%s to %s", w.PlaceMany(p), w.PlaceMany(next))
}

// PieceNames lists the pieces of a material, ones first.
func PieceNames(kind material.Kind) string {
	var names []string
	for p := place.Ones; p.HasPiece(); p++ {
		names = append(names, Piece(kind, p, 1))
	}
	return list(names)
}

// Example is what is said at the first step of a kind in 238 + 267, worked by a
// method.
func (w Words) Example(kind swap.StepKind, m swap.Method) string {
	t, err := m.Solve(swap.SumOf(238, 267))
	if err != nil {
		return ""
	}
	for i, line := range w.Trace(t) {
		if t.Steps[i].Kind == kind {
			return line.String()
		}
	}
	return ""
}
