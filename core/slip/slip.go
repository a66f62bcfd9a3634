// Package slip has the wrong procedures of written adding and taking: each
// gives its own, predictable answer. The definitions follow the literature on
// buggy procedures in written arithmetic.
package slip

import "vineswap/core/place"

// ID names a slip, the same in code, data and command output. An id that adding
// and taking share is one slip that shows in both.
type ID string

// Operation is what a slip is made in.
type Operation string

// The operations, by the names that problems use.
const (
	Add      Operation = "add"
	Subtract Operation = "subtract"
)

// Slip is one wrong procedure.
type Slip struct {
	ID        ID
	Operation Operation
	work      func([]place.Number) (answer int, applies bool)
}

// Answer is what the slip gives for the numbers of a problem, the larger first
// for taking. It does not apply where it cannot be carried out or gives the
// right answer.
func (s Slip) Answer(numbers []place.Number) (answer int, applies bool) {
	answer, applies = s.work(numbers)
	return answer, applies && answer != right(s.Operation, numbers)
}

func right(op Operation, numbers []place.Number) int {
	sum := 0
	for i, n := range numbers {
		if i > 0 && op == Subtract {
			n = -n
		}
		sum += int(n)
	}
	return sum
}

// All returns the slips of an operation, common ones first.
func All(op Operation) []Slip {
	if op == Subtract {
		return taking
	}
	return adding
}

// ByID finds the slip of an operation.
func ByID(op Operation, id ID) (Slip, bool) {
	for _, s := range All(op) {
		if s.ID == id {
			return s, true
		}
	}
	return Slip{}, false
}

// Explains lists the slips that give just this answer; none for the right one.
func Explains(op Operation, numbers []place.Number, answer int) []ID {
	ids := []ID{}
	for _, s := range All(op) {
		if got, applies := s.Answer(numbers); applies && got == answer {
			ids = append(ids, s.ID)
		}
	}
	return ids
}

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
