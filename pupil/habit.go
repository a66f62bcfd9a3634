package pupil

import (
	"math/rand/v2"

	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/slip"
)

// Habit is how a child works sums and differences who makes none, one or two slips, or
// follows no pattern.
type Habit struct {
	Slips   []slip.ID
	Shows   float64 // how often each slip shows, each for itself, 0 to 1
	Facts   float64 // how often a fact is wrong
	Guesses bool    // no pattern: at times right, at times some slip, at times any number
}

// How often a child who follows no pattern is right, and how often it makes some slip.
const (
	guessesRight = .35
	guessesSlip  = .30
)

// Answer is what the child writes for a sum or a difference.
func (h Habit) Answer(p problem.Problem, rng *rand.Rand) place.Number {
	operation, numbers, _ := p.InColumns()
	if h.Guesses {
		switch r := rng.Float64(); {
		case r < guessesRight:
			return p.Answer()
		case r < guessesRight+guessesSlip:
			return some(operation, numbers, rng)
		}
		return place.Number(rng.IntN(10 * p.Answer().Top().Unit()))
	}
	var now []slip.ID
	for _, id := range h.Slips {
		if slip.Shows(id, operation) && rng.Float64() < h.Shows {
			now = append(now, id)
		}
	}
	for ; ; now = now[1:] { // what cannot be carried out is left
		with := slip.New(now...)
		answer, ok := with.Answer(operation, numbers)
		if !ok {
			continue
		}
		if rng.Float64() < h.Facts {
			return wrongFact(with, operation, numbers, place.Number(answer), rng)
		}
		return place.Number(answer)
	}
}

// some is what one of the slips gives, any that applies.
func some(o slip.Operation, numbers []place.Number, rng *rand.Rand) place.Number {
	ids := slip.Of(o)
	for {
		if answer, applies := slip.Answer(o, ids[rng.IntN(len(ids))], numbers); applies {
			return place.Number(answer)
		}
	}
}

// wrongFact is the answer with one column off by one or two.
func wrongFact(with slip.Procedure, o slip.Operation, numbers []place.Number, answer place.Number, rng *rand.Rand) place.Number {
	const tries = 40
	columns := int(place.HighestOf(numbers)) + 1
	for range tries {
		f := slip.Fact{Column: rng.IntN(columns), Off: []int{-2, -1, 1, 2}[rng.IntN(4)]}
		if wrong, ok := with.AnswerWith(f, o, numbers); ok && place.Number(wrong) != answer {
			return place.Number(wrong)
		}
	}
	return answer
}
