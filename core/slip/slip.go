// Package slip has the wrong procedures of written adding and taking, and of reading,
// writing and counting numbers: each gives its own, predictable answer. The definitions
// follow the literature on buggy procedures in written arithmetic.
//
// Written adding and taking is one Procedure each, made of parts: which operation it is,
// how the numbers are set down, which columns are worked, in which direction, what a
// column comes to, what is carried, when ten is swapped down and how it is paid. A slip
// replaces some of the parts; two that replace different ones can come together.
package slip

import (
	"slices"

	"vineswap/core/place"
)

// ID names a slip, the same in code, data and command output. An id that adding
// and taking share is one slip that shows in both.
type ID string

// Operation is what is asked for in columns.
type Operation int

// The operations in which procedures go wrong in columns.
const (
	Add  Operation = iota // two numbers or more
	Take                  // the larger number, then the smaller one
)

// right is the right answer.
func (o Operation) right(numbers []place.Number) int {
	if o == Take {
		return int(numbers[0] - numbers[1])
	}
	sum := 0
	for _, n := range numbers {
		sum += int(n)
	}
	return sum
}

// Part is a part of a procedure that a slip can replace.
type Part string

// The parts of adding and taking.
const (
	Which     Part = "operation"
	Alignment Part = "alignment"
	Extent    Part = "extent" // which columns and which numbers are worked
	Direction Part = "direction"
	ColumnSum Part = "column-sum" // adding
	Carry     Part = "carry"
	Last      Part = "last-column"
	When      Part = "when"   // taking: when ten is swapped down
	Paid      Part = "paid"   // and from where
	Result    Part = "result" // what a column of taking comes to
	Corrected Part = "corrected"
)

// Slip is one wrong procedure of written adding, of taking, or of both.
type Slip struct {
	ID    ID
	parts replaces
	into  func(*Procedure)
}

// replaces are the parts that a slip replaces in each operation; none where it does not
// show.
type replaces [2][]Part

// In tells whether the slip shows in an operation.
func (s Slip) In(o Operation) bool { return len(s.parts[o]) > 0 }

// InColumns returns the slips of written adding and taking, those of adding first.
func InColumns() []ID {
	ids := make([]ID, len(slips))
	for i, s := range slips {
		ids[i] = s.ID
	}
	return ids
}

// Shows tells whether a slip shows in an operation.
func Shows(id ID, o Operation) bool {
	i := index(id)
	return i >= 0 && slips[i].In(o)
}

// Of returns the slips of an operation, common ones first: those that it does not share with
// the other one come before those that show in both.
func Of(o Operation) []ID {
	var own, both []ID
	for _, s := range slips {
		switch {
		case s.In(o) && s.In(1-o):
			both = append(both, s.ID)
		case s.In(o):
			own = append(own, s.ID)
		}
	}
	return append(own, both...)
}

// Answer is what a slip gives for the numbers of a problem, the larger first for taking. It
// does not apply where it cannot be carried out or gives the right answer.
func Answer(o Operation, id ID, numbers []place.Number) (answer int, applies bool) {
	i := index(id)
	if i < 0 || !slips[i].In(o) {
		return 0, false
	}
	answer, applies = alone[i].Answer(o, numbers)
	return answer, applies && answer != o.right(numbers)
}

// alone are the procedures with one slip each.
var alone = func() []Procedure {
	all := make([]Procedure, len(slips))
	for i, s := range slips {
		all[i] = New(s.ID)
	}
	return all
}()

func index(id ID) int {
	return slices.IndexFunc(slips, func(s Slip) bool { return s.ID == id })
}

// Whole tells whether a slip is in which operation is done, how the numbers are set down or
// which of them are worked, and so in no single place.
func Whole(id ID) bool {
	i := index(id)
	if i < 0 {
		return false
	}
	return slices.ContainsFunc(append(slices.Clone(slips[i].parts[Add]), slips[i].parts[Take]...), func(p Part) bool {
		return p == Which || p == Alignment || p == Extent
	})
}
