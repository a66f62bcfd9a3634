package number

import (
	"slices"

	"vineswap/core/piece"
	"vineswap/core/place"
)

// FaultKind is what is not as it should be on a tray that was fetched for a number.
type FaultKind string

// The kinds of fault.
const (
	NothingThere FaultKind = "nothing"  // the tray is empty
	TurnedRound  FaultKind = "turned"   // the digits are there, in other places
	OtherWay     FaultKind = "way"      // as much as the number, laid in another way
	WrongPlace   FaultKind = "misplace" // Count of Place belong to To
	MissingThere FaultKind = "missing"  // Count of Place
	TooMany      FaultKind = "too-many" // Count of Place
)

// Fault is one thing that is not as it should be.
type Fault struct {
	Kind  FaultKind
	Place place.Place
	To    place.Place
	Count int
}

// Fetched tells what is not right about a tray that was fetched for a number of at most
// four digits; none where each place has as many pieces as its digit says. What is missing
// in one place and too much in another is in the wrong place.
func Fetched(n place.Number, tray piece.Holding) []Fault {
	want := usual(n)
	if tray == want {
		return nil
	}
	if n > 0 && tray == (piece.Holding{}) {
		return []Fault{{Kind: NothingThere}}
	}
	if sameDigits(want, tray) {
		return []Fault{{Kind: TurnedRound}}
	}
	if tray.Value() == int(n) {
		return []Fault{{Kind: OtherWay}}
	}
	var over [place.TopPiece + 1]int // too many of each place; below 0 what is missing
	for p := range over {
		over[p] = tray.At(place.Place(p)) - want.At(place.Place(p))
	}
	var faults []Fault
	for p := range over {
		for to := range over {
			if over[p] > 0 && over[to] == -over[p] {
				faults = append(faults, Fault{WrongPlace, place.Place(p), place.Place(to), over[p]})
				over[p], over[to] = 0, 0
			}
		}
	}
	for p := place.TopPiece; p >= place.Ones; p-- {
		switch n := over[p]; {
		case n < 0:
			faults = append(faults, Fault{Kind: MissingThere, Place: p, Count: -n})
		case n > 0:
			faults = append(faults, Fault{Kind: TooMany, Place: p, Count: n})
		}
	}
	return faults
}

// sameDigits tells whether at least two places have each other's counts, and every count is
// one of the number's digits.
func sameDigits(want, tray piece.Holding) bool {
	var a, b []int
	moved := 0
	for p := place.TopPiece; p >= place.Ones; p-- {
		a, b = append(a, want.At(p)), append(b, tray.At(p))
		if want.At(p) != tray.At(p) && want.At(p) > 0 && tray.At(p) > 0 {
			moved++
		}
	}
	slices.Sort(a)
	slices.Sort(b)
	return moved > 1 && slices.Equal(a, b)
}
