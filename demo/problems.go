package demo

import (
	"math/rand/v2"
	"slices"

	"vineswap/core/choose"
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
	}
	d := max(digits, stage.Least())
	if stage == choose.NewPlace {
		d = min(d, 3) // there is no piece for the place that four digits open
	}
	if stage.Laid() {
		d = min(d, int(place.TopPiece)+1)
	}
	choice := choose.Choice{Op: stage.Op(), Stage: stage, Digits: slices.Repeat([]int{d}, stage.Numbers()), Laid: stage.Laid()}
	if last := len(choice.Digits) - 1; last > 0 && stage.Least() < d {
		choice.Digits[last] = d - rng.IntN(2)
	}
	space, err := choice.Space()
	if err != nil {
		panic(err) // the stages above are all that numbers can be drawn for
	}
	if space.Fits().IsZero() { // the shorter second number leaves none
		choice.Digits = slices.Repeat([]int{d}, stage.Numbers())
		if space, err = choice.Space(); err != nil {
			panic(err)
		}
	}
	return swap.Of(string(stage.Op()), space.Draw(1, rng.Uint64())[0])
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
