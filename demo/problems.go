package demo

import (
	"math/rand/v2"
	"slices"

	"vineswap/core/choose"
	"vineswap/core/place"
	"vineswap/core/problem"
)

// problemFor draws a problem of a stage, with numbers of so many digits where the
// stage leaves that open.
func problemFor(stage choose.StageID, digits int, rng *rand.Rand) problem.Problem {
	d := max(digits, stage.Least())
	if stage == choose.NewPlace {
		d = min(d, 3) // there is no piece for the place that four digits open
	}
	if stage == choose.FirstSnake || stage == choose.SecondSnake {
		d = 1 // beads of a bar
	}
	if stage.Laid() {
		d = min(d, int(place.TopPiece)+1)
	}
	choice := choose.Choice{Kind: stage.Kind(), Stage: stage, Digits: slices.Repeat([]int{d}, stage.Numbers()), Laid: stage.Laid()}
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
	return problem.Of(stage.Kind(), space.Draw(1, rng.Uint64())[0]...)
}
