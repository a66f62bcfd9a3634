// Package rack is the two-colour bead rack of 10, 20 or 100: rows of five beads of one
// colour and five of the other; in the rack of 100 the colours change sides after five rows,
// so that fifty is seen at once. It knows how a number is pushed, and in which ways it is seen
// without counting each bead.
package rack

import (
	"cmp"
	"errors"
	"fmt"
	"slices"
)

// Size is how many beads a rack has.
type Size int

// The racks that there are.
const (
	Ten     Size = 10
	Twenty  Size = 20
	Hundred Size = 100
)

// Sizes returns the sizes of racks, the smallest first.
func Sizes() []Size { return []Size{Ten, Twenty, Hundred} }

const (
	inRow = 10
	five  = 5
	fifty = 50
)

// Errors of a number that no rack can show.
var (
	ErrSize = errors.New("a rack has 10, 20 or 100 beads")
	ErrMany = errors.New("the rack has not so many beads")
)

// Rack is a rack with some beads pushed over: whole rows from the top, then what is left.
type Rack struct {
	Size  Size
	Value int // beads that are pushed over
}

// New pushes a number on a rack. ErrSize for a size that there is not, ErrMany for a number
// below nothing or above the beads that it has.
func New(size Size, value int) (Rack, error) {
	switch {
	case !slices.Contains(Sizes(), size):
		return Rack{}, fmt.Errorf("%w, not %d", ErrSize, int(size))
	case value < 0 || value > int(size):
		return Rack{}, fmt.Errorf("%w: it shows 0 to %d, not %d", ErrMany, int(size), value)
	}
	return Rack{size, value}, nil
}

// Smallest is the smallest rack that can show a number of at most 100.
func Smallest(value int) Size {
	for _, s := range Sizes() {
		if value <= int(s) {
			return s
		}
	}
	return Hundred
}

// Rows are how many beads are pushed over in each row, from the top.
func (r Rack) Rows() []int {
	rows := make([]int, int(r.Size)/inRow)
	for i := range rows {
		rows[i] = min(inRow, max(0, r.Value-i*inRow))
	}
	return rows
}

// Pushes is the fewest pushes that show the number: one moves any beads of one row.
func (r Rack) Pushes() int { return (r.Value + inRow - 1) / inRow }

// First tells whether a bead is of the first colour, by its row from the top and its place in
// the row from the side to which beads are pushed, both from 0.
func First(row, bead int) bool { return bead < five != (row >= fifty/inRow) }

// Way is a way of seeing a number on a rack.
type Way string

// The ways of seeing a number, the one that is easiest to tell about first.
const (
	AtOnce       Way = "at-once"        // all in one look
	FromFifty    Way = "from-fifty"     // fifty, and what is more
	FiveAndSome  Way = "five-and-some"  // each row by its colours
	TensThenOnes Way = "tens-then-ones" // the full rows, then what is in no full row
	Doubles      Way = "doubles"        // one row, and the same once more
	FromHundred  Way = "from-hundred"   // what is missing to a hundred
)

// Ways returns all ways of seeing; with as many looks, the one that stands first is easier.
func Ways() []Way { return []Way{AtOnce, FromFifty, FiveAndSome, TensThenOnes, Doubles, FromHundred} }

// Look is what is taken in at one look: beads side by side in a row, or whole rows together.
type Look struct {
	Row, Rows int // the first row from the top, and how many of them
	From, To  int // the first bead, and the one after the last
}

// Seen is a way of seeing the number, look by look. Of what is missing to a hundred the looks
// lie on the beads that are not pushed over; a double lies in two rows, as many in each.
type Seen struct {
	Way   Way
	Looks []Look
}

// Seen lists the ways of seeing the number that need fewer looks than counting bead by bead,
// those of the fewest looks first. One look takes in up to five beads of one colour side by side,
// a whole row, or the fifty of five rows.
func (r Rack) Seen() []Seen {
	var all []Seen
	for _, way := range Ways() {
		if looks := r.looks(way); len(looks) > 0 && len(looks) < r.Value {
			all = append(all, Seen{way, looks})
		}
	}
	slices.SortStableFunc(all, func(a, b Seen) int { return cmp.Compare(len(a.Looks), len(b.Looks)) })
	return all
}

// Easiest is the number of looks of the easiest way; of a number without one its beads.
func (r Rack) Easiest() int {
	if all := r.Seen(); len(all) > 0 {
		return len(all[0].Looks)
	}
	return r.Value
}

// looks are those that a way takes; none where it is no way of seeing this number.
func (r Rack) looks(way Way) []Look {
	switch full := r.Value / inRow; way {
	case AtOnce:
		if looks := r.after(0); len(looks) == 1 {
			return looks
		}
	case FiveAndSome:
		if r.Value > five {
			return r.byColour()
		}
	case TensThenOnes:
		if full > 0 {
			return r.after(0)
		}
	case FromFifty:
		if r.Size == Hundred && r.Value >= fifty {
			return append([]Look{{0, fifty / inRow, 0, inRow}}, r.after(fifty/inRow)...)
		}
	case FromHundred:
		if r.Size == Hundred {
			return r.missing()
		}
	case Doubles:
		if r.Size > Ten && r.Value%2 == 0 && r.Value <= int(Twenty) {
			return append(Rack{r.Size, r.Value / 2}.after(0), Look{1, 1, 0, r.Value / 2})
		}
	}
	return nil
}

// after are the looks of what is pushed over from a row on: whole rows, then what is left.
func (r Rack) after(row int) []Look {
	var looks []Look
	for i, n := range r.Rows() {
		switch {
		case i < row || n == 0:
		case n == inRow:
			looks = append(looks, Look{i, 1, 0, inRow})
		default:
			looks = append(looks, part(i, 0, n)...)
		}
	}
	return looks
}

// byColour are the looks of each row by its colours.
func (r Rack) byColour() []Look {
	var looks []Look
	for i, n := range r.Rows() {
		looks = append(looks, part(i, 0, n)...)
	}
	return looks
}

// missing are the looks of what is missing: whole rows, then what is left of one. Where
// nothing is missing one look tells that.
func (r Rack) missing() []Look {
	var looks []Look
	for i, n := range r.Rows() {
		switch n {
		case inRow:
		case 0:
			looks = append(looks, Look{i, 1, 0, inRow})
		default:
			looks = append(looks, part(i, n, inRow)...)
		}
	}
	if len(looks) == 0 {
		return []Look{{0, int(r.Size) / inRow, 0, inRow}}
	}
	return looks
}

// part are the looks of some beads side by side in a row, by their colours.
func part(row, from, to int) []Look {
	var looks []Look
	for _, colour := range [2][2]int{{0, five}, {five, inRow}} {
		if a, b := max(from, colour[0]), min(to, colour[1]); a < b {
			looks = append(looks, Look{row, 1, a, b})
		}
	}
	return looks
}
