package paper

import (
	"errors"
	"fmt"
	"slices"

	"vineswap/core/problem"
	"vineswap/core/task"
)

// Notation is how a class writes its columns. The zero value is the first side
// of both choices.
type Notation struct {
	Carried  Carried
	Crossing Crossing
	Added    bool // equal groups are written one below the other and added, instead of 4 × 23
}

// Carried is where what comes up is written in joining.
type Carried string

// The sides of Carried. The empty word is Above.
const (
	Above  Carried = "above"  // above the top
	Under  Carried = "under"  // under the last addend, in a row of its own
	Beside Carried = "beside" // beside the top digit of its place
)

// CarriedSides returns all sides, the default first.
func CarriedSides() []Carried { return []Carried{Above, Under, Beside} }

// Crossing is how a swap down is written in taking away.
type Crossing string

// The sides of Crossing. The empty word is CrossOut.
const (
	CrossOut Crossing = "cross-out" // crossed out, and what is there now written above
	InFront  Crossing = "in-front"  // a small 1 in front of the digit that gets ten
)

// CrossingSides returns all sides, the default first.
func CrossingSides() []Crossing { return []Crossing{CrossOut, InFront} }

// AddedName is the name of equal groups written one below the other among the
// notations.
const AddedName = "added"

// ExpandedName is the name of expanded form among the notations.
const ExpandedName = "expanded"

// ErrNotation is wrapped by the error about a notation that a problem is not
// written in.
var ErrNotation = errors.New("this problem is not written that way")

// ParseNotation reads the name of a notation for a kind of problem: "above",
// "under" or "beside" for adding, "added" too for equal groups, "cross-out" or "in-front" for taking away,
// "expanded" for all; empty is the usual one. The error says what can be named.
func ParseNotation(name string, kind task.Kind) (n Notation, expanded bool, err error) {
	names := []string{ExpandedName}
	switch kind {
	case problem.Sum:
		names = []string{string(Above), string(Under), string(Beside), ExpandedName}
	case problem.Trays:
		names = []string{string(Above), string(Under), string(Beside), AddedName, ExpandedName}
	case problem.Difference:
		names = []string{string(CrossOut), string(InFront), ExpandedName}
	}
	switch {
	case name == "":
	case !slices.Contains(names, name):
		return n, false, fmt.Errorf("%w: %q; it can be %s", ErrNotation, name, either(names))
	case name == ExpandedName:
		expanded = true
	case name == AddedName:
		n.Added = true
	case kind == problem.Difference:
		n.Crossing = Crossing(name)
	default:
		n.Carried = Carried(name)
	}
	return n, expanded, nil
}

func either(names []string) string {
	switch n := len(names); n {
	case 1:
		return "only " + names[0]
	case 2:
		return names[0] + " or " + names[1]
	default:
		return names[0] + ", " + either(names[1:])
	}
}
