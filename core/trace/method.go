package trace

import (
	"cmp"
	"errors"
	"fmt"
)

// Method is how a class works, where practitioners differ. The zero value is the
// first side of every choice.
type Method struct {
	When   When
	Order  Order
	Zeros  Zeros
	Filled Filled
}

// When is when joining swaps: at ten while counting, or after the whole column.
type When string

// The sides of When. The empty word is AtTen.
const (
	AtTen       When = "at-ten"
	AfterColumn When = "after-column"
)

// Order is when taking away swaps: as each place needs it, or all swaps first.
type Order string

// The sides of Order. The empty word is AsNeeded.
const (
	AsNeeded   Order = "as-needed"
	SwapsFirst Order = "swaps-first"
)

// Zeros is how a swap goes over zeros: place by place, or as one.
type Zeros string

// The sides of Zeros. The empty word is PlaceByPlace.
const (
	PlaceByPlace Zeros = "place-by-place"
	AsOne        Zeros = "as-one"
)

// Filled is how ten frames are filled: row by row, or pair by pair.
type Filled string

// The sides of Filled. The empty word is ByRows.
const (
	ByRows  Filled = "by-rows"
	ByPairs Filled = "by-pairs"
)

// ErrMethod is wrapped by the error about a word that is no side of a method.
var ErrMethod = errors.New("there is no such way of working")

// ParseWhen reads a side of When.
func ParseWhen(text string) (When, error) { return side(text, AtTen, AfterColumn) }

// ParseOrder reads a side of Order.
func ParseOrder(text string) (Order, error) { return side(text, AsNeeded, SwapsFirst) }

// ParseZeros reads a side of Zeros.
func ParseZeros(text string) (Zeros, error) { return side(text, PlaceByPlace, AsOne) }

// ParseFilled reads a side of Filled.
func ParseFilled(text string) (Filled, error) { return side(text, ByRows, ByPairs) }

func side[T ~string](text string, sides ...T) (T, error) {
	for _, s := range sides {
		if string(s) == text {
			return s, nil
		}
	}
	return "", fmt.Errorf("%w: %q; it can be %s or %s", ErrMethod, text, sides[0], sides[1])
}

// Valid tells which side of a method is not known; nil for a method that can be worked by.
func (m Method) Valid() error {
	if _, err := ParseWhen(string(cmp.Or(m.When, AtTen))); err != nil {
		return err
	}
	if _, err := ParseOrder(string(cmp.Or(m.Order, AsNeeded))); err != nil {
		return err
	}
	if _, err := ParseFilled(string(cmp.Or(m.Filled, ByRows))); err != nil {
		return err
	}
	_, err := ParseZeros(string(cmp.Or(m.Zeros, PlaceByPlace)))
	return err
}
