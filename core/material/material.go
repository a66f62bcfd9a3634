// Package material knows the pieces and what a lesson needs of them: how many
// of each at the fullest moment, cards, trays, cautions and minutes.
package material

import (
	"errors"
	"fmt"
	"math"

	"vineswap/core/place"
)

// Kind is the material that a lesson is worked with.
type Kind string

// The kinds of material.
const (
	Beads  Kind = "beads"
	Blocks Kind = "blocks"
)

// ErrKind is wrapped by the error about a material that is not known.
var ErrKind = errors.New("the material is beads or blocks")

// ParseKind reads "beads" or "blocks".
func ParseKind(text string) (Kind, error) {
	switch k := Kind(text); k {
	case Beads, Blocks:
		return k, nil
	}
	return "", fmt.Errorf("%w, not %q", ErrKind, text)
}

// Caution is something to look to before and while the material is used.
type Caution string

// The cautions of section 9 of the field's rules that joining can call for.
const (
	SmallParts Caution = "small-parts" // loose beads and small cubes: count them out and back
	HeavyCube  Caution = "heavy-cube"  // the thousand cube: two hands, carried low
	FreeWay    Caution = "free-way"    // keep the walkway past the mat free
)

// Pieces is what one place needs.
type Pieces struct {
	Place   place.Place
	Fullest int   // the most that lie on the mat at once
	Trays   []int // what each number's tray takes, in written order
	Up      int   // what the store hands out in swaps
}

// Needs is the gather list of a lesson; the same list counts back at the end.
type Needs struct {
	Pieces     []Pieces         // highest place first; places without pieces are left out
	SmallCards [][]place.Number // for each number, highest first
	LargeCards []place.Number   // for the result, highest first
	Trays      int              // one for each number and one for the result; the store is no tray
	Cautions   []Caution
	Minutes    int // foreseen, rounded up
}

// Minutes that a presentation takes, from the field's rules of thumb.
const (
	layingOut    = 3.0
	eachSwap     = 0.75
	sayingBack   = 1.0
	resultsTrays = 1
)

// CanLayOut tells whether a result can be laid out with pieces.
func CanLayOut(result place.Number) bool { return result <= place.MostWithPieces }

// ForJoining returns what joining the numbers needs. Places above the highest
// piece are left out: they are worked with cards alone.
func ForJoining(numbers []place.Number) Needs {
	needs := Needs{Trays: len(numbers) + resultsTrays}
	sum := place.Number(0)
	for _, n := range numbers {
		needs.SmallCards = append(needs.SmallCards, n.Expanded())
		sum += n
	}
	needs.LargeCards = sum.Expanded()
	columns := place.Columns(numbers)
	swaps := 0
	for i := len(columns) - 1; i >= 0; i-- {
		swaps += columns[i].Out
		if c := columns[i]; c.Sum() > 0 && c.Place.HasPiece() {
			needs.Pieces = append(needs.Pieces, piecesOf(c, numbers))
		}
	}
	needs.Cautions = cautions(columns)
	needs.Minutes = minutes(swaps)
	return needs
}

// ForTaking returns what taking one number from another needs: the larger is
// built on its tray, and what is taken is laid on another; the smaller, and what
// is left, are cards.
func ForTaking(larger, smaller place.Number) Needs {
	needs := Needs{Trays: 2, SmallCards: [][]place.Number{smaller.Expanded(), (larger - smaller).Expanded()}, LargeCards: larger.Expanded(), Cautions: []Caution{}}
	columns := place.TakingColumns(larger, smaller)
	swaps := 0
	for i := len(columns) - 1; i >= 0; i-- {
		c := columns[i]
		p := Pieces{Place: c.Place, Fullest: max(c.Top, c.Had()), Trays: []int{c.Top}}
		if c.Came {
			swaps++
			p.Up = 10
		}
		if c.Crossed() {
			p.Fullest = 10 // all ten lie there until one goes on
		}
		if p.Fullest > 0 && c.Place.HasPiece() {
			needs.Pieces = append(needs.Pieces, p)
		}
	}
	has := func(p place.Place) bool {
		return len(columns) > int(p) && (columns[p].Top > 0 || columns[p].Came)
	}
	if has(place.Ones) {
		needs.Cautions = append(needs.Cautions, SmallParts)
	}
	if has(place.Thousands) {
		needs.Cautions = append(needs.Cautions, HeavyCube)
	}
	needs.Cautions = append(needs.Cautions, FreeWay)
	needs.Minutes = minutes(swaps)
	return needs
}

// minutes says how long a presentation with so many swaps takes.
func minutes(swaps int) int {
	return int(math.Ceil(layingOut + eachSwap*float64(swaps) + sayingBack))
}

func piecesOf(c place.Column, numbers []place.Number) Pieces {
	p := Pieces{Place: c.Place, Fullest: c.Sum(), Up: c.In}
	for _, n := range numbers {
		p.Trays = append(p.Trays, n.Digit(c.Place))
	}
	return p
}

func cautions(columns []place.Column) []Caution {
	list := []Caution{}
	if len(columns) > int(place.Ones) && columns[place.Ones].Sum() > 0 {
		list = append(list, SmallParts)
	}
	if len(columns) > int(place.Thousands) && columns[place.Thousands].Sum() > 0 {
		list = append(list, HeavyCube)
	}
	return append(list, FreeWay)
}
