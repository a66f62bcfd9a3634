package demo

import (
	"math/rand/v2"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/place"
	"vineswap/core/swap"
)

// problemFor draws a problem of a stage, with numbers of so many digits where the
// stage leaves that open.
func problemFor(stage choose.StageID, digits int, rng *rand.Rand) swap.Problem {
	switch stage {
	case choose.FirstSnake:
		return snake(rng, true)
	case choose.SecondSnake:
		return snake(rng, false)
	case choose.ThreeAddends:
		return swap.SumOf(number(2, rng), number(2, rng), number(2, rng))
	case choose.AnySum:
		return swap.SumOf(number(5, rng), number(4+rng.IntN(2), rng))
	}
	if ladder.StrandOf(stage) == ladder.Taking {
		return difference(stage, digits, rng)
	}
	d := max(digits, stage.Least())
	if stage == choose.NewPlace {
		d = min(d, 3) // there is no piece for the place that four digits open
	}
	space, err := choose.Choice{Stage: stage, Digits: []int{d, d}, Laid: true}.Space()
	if err != nil {
		panic(err) // the stages above are all that numbers can be drawn for
	}
	return swap.SumOf(space.Draw(1, rng.Uint64())[0]...)
}

func number(digits int, rng *rand.Rand) place.Number {
	least := place.Place(digits - 1).Unit()
	return place.Number(least + rng.IntN(9*least))
}

// difference draws until the numbers belong to the stage.
func difference(stage choose.StageID, digits int, rng *rand.Rand) swap.Problem {
	d := max(digits, map[choose.StageID]int{choose.TakeOneSwapHigher: 3, choose.TakeSeveralSwaps: 3, choose.AcrossOneZero: 3, choose.AcrossZeros: 4, choose.AnyDifference: 5}[stage])
	if stage != choose.AnyDifference {
		d = min(d, 4)
	}
	for {
		a, b := number(d, rng), number(d-rng.IntN(2)*min(1, d-1), rng)
		if p := swap.DifferenceOf(max(a, b), min(a, b)); book.StageOf(p) == stage {
			return p
		}
	}
}

// snake is a chain of four to six bars; in a first snake every ten ends at a
// bar's end.
func snake(rng *rand.Rand, first bool) swap.Problem {
	var bars []place.Number
	if first {
		for range 2 {
			a := place.Number(1 + rng.IntN(9))
			bars = append(bars, a, 10-a)
		}
		return swap.SumOf(append(bars, place.Number(1+rng.IntN(9)))...)
	}
	for range 5 {
		bars = append(bars, place.Number(3+rng.IntN(7)))
	}
	return swap.SumOf(bars...)
}
