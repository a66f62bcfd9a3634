// Package slip has the wrong procedures of written adding and taking: each
// gives its own, predictable answer. The definitions follow the literature on
// buggy procedures in written arithmetic.
package slip

import (
	"slices"

	"vineswap/core/place"
)

// ID names a slip, the same in code, data and command output. An id that adding
// and taking share is one slip that shows in both.
type ID string

// Slip is one wrong procedure.
type Slip struct {
	ID    ID
	right func([]place.Number) int
	work  func([]place.Number) (answer int, applies bool)
}

// Answer is what the slip gives for the numbers of a problem, the larger first
// for taking. It does not apply where it cannot be carried out or gives the
// right answer.
func (s Slip) Answer(numbers []place.Number) (answer int, applies bool) {
	answer, applies = s.work(numbers)
	return answer, applies && answer != s.right(numbers)
}

func sum(numbers []place.Number) int {
	sum := 0
	for _, n := range numbers {
		sum += int(n)
	}
	return sum
}

func difference(numbers []place.Number) int { return int(numbers[0] - numbers[1]) }

// Adding returns the slips of written adding, common ones first.
func Adding() []Slip { return slices.Clone(adding) }

// Taking returns the slips of written taking, common ones first.
func Taking() []Slip { return slices.Clone(taking) }

// number reads digits, ones first, as a number; each may be ten and more and is
// then written in full.
func number(columns []int) int {
	value, unit := 0, 1
	for _, c := range columns {
		value += c * unit
		for unit *= 10; c >= 10; c /= 10 {
			unit *= 10
		}
	}
	return value
}
