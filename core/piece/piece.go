// Package piece has the things that lie on a mat: the pieces of the places, and what
// is counted one by one, such as a counter, a stick or a bar of the bead stair.
package piece

import (
	"errors"
	"fmt"

	"vineswap/core/place"
)

// Piece is one kind of thing that lies on a mat. The first of them are the pieces of
// the places, ones first, by the same numbers as the places; the zero value is the
// piece of the ones.
type Piece uint8

// The pieces that belong to no place. Each is worth one but a bar or a rod, which is worth
// as many as it has beads or parts.
const (
	Counter Piece = Piece(place.Count) + iota // a thing to be counted: a counter, an apple
	Stick                                     // of the compartments from 0 to 9
	Bead                                      // on a row
	bars                                      // the bar of one; the others follow
)

// LongestBar is how many beads the longest bar of the stair has, and LongestRod how many
// parts the longest number rod.
const (
	LongestBar = 9
	LongestRod = 10
)

const (
	remainders = bars + LongestBar       // the remainder bar of one; the others follow
	rods       = remainders + LongestBar // the number rod of one; the others follow
)

// Count is how many pieces there are.
const Count = int(rods) + LongestRod

// Of is the piece of a place. A trace treats every place alike, as if it had one.
func Of(p place.Place) Piece { return Piece(p) }

// Bar is the bar of the bead stair with so many beads, 1 to LongestBar.
func Bar(beads int) Piece { return bars + Piece(beads-1) }

// Remainder is the remainder bar of a snake with so many beads, 1 to LongestBar.
func Remainder(beads int) Piece { return remainders + Piece(beads-1) }

// Rod is the number rod with so many parts, 1 to LongestRod.
func Rod(parts int) Piece { return rods + Piece(parts-1) }

// Place is the place whose piece this is; false for a piece of none.
func (p Piece) Place() (place.Place, bool) { return place.Place(p), int(p) < place.Count }

// Worth is how many ones it is worth.
func (p Piece) Worth() int { return worths[p] }

// String is the name of the piece, the same in code, data and command output: that of
// its place, "counter", "bar-7", "remainder-4", "rod-10".
func (p Piece) String() string {
	if int(p) >= Count {
		return fmt.Sprintf("piece(%d)", int(p))
	}
	return names[p]
}

// ErrPiece is wrapped by the error about a piece that does not exist.
var ErrPiece = errors.New("there is no such piece")

// Parse reads what String writes.
func Parse(name string) (Piece, error) {
	for p, known := range names {
		if known == name {
			return Piece(p), nil
		}
	}
	return 0, fmt.Errorf("%w: %q", ErrPiece, name)
}

// MarshalText writes the piece by its name.
func (p Piece) MarshalText() ([]byte, error) { return []byte(p.String()), nil }

// UnmarshalText reads a piece by its name.
func (p *Piece) UnmarshalText(text []byte) (err error) {
	*p, err = Parse(string(text))
	return err
}

var names, worths = func() (names [Count]string, worths [Count]int) {
	for _, p := range place.All() {
		names[p], worths[p] = p.String(), p.Unit()
	}
	for p, name := range map[Piece]string{Counter: "counter", Stick: "stick", Bead: "bead"} {
		names[p], worths[p] = name, 1
	}
	for beads := 1; beads <= LongestBar; beads++ {
		names[Bar(beads)], worths[Bar(beads)] = fmt.Sprint("bar-", beads), beads
		names[Remainder(beads)], worths[Remainder(beads)] = fmt.Sprint("remainder-", beads), beads
	}
	for parts := 1; parts <= LongestRod; parts++ {
		names[Rod(parts)], worths[Rod(parts)] = fmt.Sprint("rod-", parts), parts
	}
	return names, worths
}()
