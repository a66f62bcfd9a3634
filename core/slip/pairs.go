package slip

import (
	"math/rand/v2"
	"slices"
	"sync"

	"vineswap/core/place"
)

// enough is in how many problems of the reference set two slips together have to give an
// answer of their own.
const enough = 5

// Pairs returns the slips that can come together, in the order of the slips: they replace
// different parts of one procedure, neither switches the other's part off, and in five
// problems of a reference set at least both together give an answer unlike the right one
// and unlike either alone.
var Pairs = sync.OnceValue(func() [][2]ID {
	var pairs [][2]ID
	for i, a := range slips {
		for _, b := range slips[i+1:] {
			if compatible(a, b, Add) || compatible(a, b, Take) {
				pairs = append(pairs, [2]ID{a.ID, b.ID})
			}
		}
	}
	return pairs
})

func compatible(a, b Slip, o Operation) bool {
	if !a.In(o) || !b.In(o) || slices.ContainsFunc(a.parts[o], func(p Part) bool { return slices.Contains(b.parts[o], p) }) {
		return false
	}
	first, second, both := New(a.ID), New(b.ID), New(a.ID, b.ID)
	found := 0
	for _, numbers := range reference()[o] {
		together, carried := both.Answer(o, numbers)
		if !carried || together == o.right(numbers) {
			continue
		}
		one, ofOne := first.Answer(o, numbers)
		other, ofOther := second.Answer(o, numbers)
		if ofOne && ofOther && together != one && together != other {
			if found++; found == enough {
				return true
			}
		}
	}
	return false
}

// reference is the set of problems that tell which slips can come together: sums of two
// and of three numbers and differences, of up to four digits, every third of them a zero.
var reference = sync.OnceValue(func() [2][][]place.Number {
	const many = 400
	rng := rand.New(rand.NewPCG(4, 9))
	number := func() place.Number {
		n := 1 + rng.IntN(9)
		for range rng.IntN(4) {
			n *= 10
			if rng.IntN(3) > 0 {
				n += 1 + rng.IntN(9)
			}
		}
		return place.Number(n)
	}
	var set [2][][]place.Number
	for i := range many {
		a, b := number(), number()
		set[Take] = append(set[Take], []place.Number{max(a, b), min(a, b)})
		if i%2 == 0 {
			set[Add] = append(set[Add], []place.Number{a, b, number()})
			continue
		}
		set[Add] = append(set[Add], []place.Number{a, b})
	}
	return set
})
