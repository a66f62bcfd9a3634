package demo

import (
	"math/rand/v2"
	"slices"

	"vineswap/core/choose"
	"vineswap/core/problem"
)

// problemFor draws a problem of a stage, with numbers of so many digits where the
// stage leaves that open.
func problemFor(stage choose.StageID, digits int, rng *rand.Rand) problem.Problem {
	if stage == choose.NewPlace {
		digits = min(digits, 3) // there is no piece for the place that four digits open
	}
	choice := choose.Choice{Kind: stage.Kind(), Stage: stage, Digits: stage.Fit(slices.Repeat([]int{digits}, stage.Numbers())), Laid: stage.Laid()}
	whole := slices.Clone(choice.Digits)
	if last := len(choice.Digits) - 1; last > 0 && stage.Least() < whole[last] {
		choice.Digits[last] -= rng.IntN(2)
	}
	space, err := choice.Space()
	if err != nil {
		panic(err) // the stages above are all that numbers can be drawn for
	}
	if space.Fits().IsZero() { // the shorter second number leaves none
		choice.Digits = whole
		if space, err = choice.Space(); err != nil {
			panic(err)
		}
	}
	return problem.Of(stage.Kind(), space.Draw(1, rng.Uint64())[0]...)
}
