package place

import (
	"errors"
	"fmt"
)

// Place is one place of a whole number, counted from the ones. The zero value
// is Ones.
type Place int

// The places that the product works in, lowest first.
const (
	Ones Place = iota
	Tens
	Hundreds
	Thousands
	TenThousands
	HundredThousands
	Millions

	// Count is how many places there are.
	Count = int(Millions) + 1
)

// TopPiece is the highest place that has a piece: there is nothing above the
// thousand cube.
const TopPiece = Thousands

// MostWithPieces is the largest number that can be laid out with pieces.
const MostWithPieces Number = 9_999

// ErrPlace is wrapped by every error about a place's name.
var ErrPlace = errors.New("unknown place")

var (
	names = [Count]string{"ones", "tens", "hundreds", "thousands", "ten-thousands", "hundred-thousands", "millions"}
	units = [Count]int{1, 10, 100, 1_000, 10_000, 100_000, 1_000_000}
)

// All returns the places from the ones up.
func All() [Count]Place {
	return [Count]Place{Ones, Tens, Hundreds, Thousands, TenThousands, HundredThousands, Millions}
}

// Parse returns the place with the given name, such as "ten-thousands". An
// unknown name gives an error that wraps ErrPlace and lists the known ones.
func Parse(name string) (Place, error) {
	for p, known := range names {
		if known == name {
			return Place(p), nil
		}
	}
	return 0, fmt.Errorf("%w %q: places are ones, tens, hundreds, thousands, ten-thousands, hundred-thousands and millions", ErrPlace, name)
}

// String returns the place's name, the same in code, data and command output.
func (p Place) String() string {
	if p < 0 || int(p) >= Count {
		return fmt.Sprintf("place(%d)", int(p))
	}
	return names[p]
}

// Unit returns what one of this place is worth: 1, 10, 100 and so on.
func (p Place) Unit() int { return units[p] }

// Next returns the place to the left, worth ten times as much. Millions has
// none: ok is false.
func (p Place) Next() (next Place, ok bool) { return p + 1, p < Millions }

// HasPiece tells whether the materials own a piece for this place.
func (p Place) HasPiece() bool { return p <= TopPiece }

// MarshalText writes the place by its name.
func (p Place) MarshalText() ([]byte, error) { return []byte(p.String()), nil }

// UnmarshalText reads a place by its name.
func (p *Place) UnmarshalText(text []byte) error {
	got, err := Parse(string(text))
	if err == nil {
		*p = got
	}
	return err
}
