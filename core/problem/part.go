package problem

import (
	"slices"

	"vineswap/core/place"
	"vineswap/core/task"
)

// oneFact is the least number that is worked in places: below it a problem is one fact, and
// one child's.
const oneFact = 20

// Parts lists the places that are worked, in their order; none for one fact, and none for
// grouping, where groups are taken off one after another.
func (p Problem) Parts() []place.Place {
	if p.Reach() < oneFact {
		return nil
	}
	columns := p.Columns()
	parts := make([]place.Place, len(columns))
	for i, c := range columns {
		parts[i] = c.Place
	}
	return parts
}

// Maker is the place whose work makes the swap of a column: its own or, where the swap goes
// through zeros, the one that it is made for.
func Maker(columns []place.Column, i int) place.Place {
	for i > 0 && columns[i].Crossed {
		i--
	}
	return columns[i].Place
}

// ShowsIn lists the swaps that work in some of the places makes.
func (p Problem) ShowsIn(part place.Set) []task.Skill {
	columns := p.Columns()
	return p.shows(columns, func(i int) bool { return part.Has(Maker(columns, i)) })
}

// CrossesIn tells whether work in some of the places swaps through zeros, and through how
// many in a row at most.
func (p Problem) CrossesIn(part place.Set) (zeros int) {
	columns := p.Columns()
	row := 0
	for i, c := range columns {
		if row++; !c.Crossed || !part.Has(Maker(columns, i)) {
			row = 0
		}
		zeros = max(zeros, row)
	}
	return zeros
}

// RightIn tells whether an answer is right in some of the places: the digits there, with
// the highest place all that stands before it, and with the ones what is left over.
func (p Problem) RightIn(part place.Set, answer task.Answer) bool {
	right, parts := p.Right(), p.Parts()
	if len(parts) == 0 {
		return answer.Equal(right)
	}
	top := slices.Max(parts)
	for _, at := range part.Places() {
		if digitsFrom(answer[0], at, at == top) != digitsFrom(right[0], at, at == top) {
			return false
		}
	}
	return !part.Has(place.Ones) || slices.Equal(answer[1:], right[1:])
}

// digitsFrom is the digit in a place, or all from there on up.
func digitsFrom(n place.Number, at place.Place, up bool) place.Number {
	from := n / place.Number(at.Unit())
	if up {
		return from
	}
	return from % 10
}
