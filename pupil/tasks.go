package pupil

import (
	"math/rand/v2"
	"slices"

	"vineswap/core/beads"
	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/number"
	"vineswap/core/problem"
	"vineswap/core/task"
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

// TaskFor draws a task of a stage for a manner: a problem with numbers of so many digits,
// one number, or what is laid with bars of beads.
func TaskFor(k ladder.Key, digits int, rng *rand.Rand) task.Task {
	if beads.Has(k.Stage) {
		return beads.Draw(k.Stage, owned, nil, 1, rng.Uint64())[0]
	}
	if k.Stage.Kind() != "" {
		return problemFor(k.Stage, digits, rng).Task()
	}
	return oneFor(k, digits, rng).Task()
}

// owned is what a class usually has of bars.
var owned = beads.Owned{Stairs: 2, Remainders: true}

// hands are what a child has in its hands in a manner.
var hands = map[book.Manner]number.Hand{book.Pieces: number.InHand, book.Drawn: number.OnPaper, book.Column: number.InHead, book.Head: number.InHead}

// oneFor is a number of a stage that is worked in a manner, of at most so many digits where
// the stage has them; any of the stage where none is.
func oneFor(k ladder.Key, digits int, rng *rand.Rand) number.Asked {
	whole, err := number.Whole(k.Stage)
	if err != nil {
		panic(err) // every stage that is followed has tasks
	}
	if short := slices.DeleteFunc(slices.Clone(whole.Digits), func(d int) bool { return d > digits }); len(short) > 0 {
		whole.Digits = short
	}
	space := whole.Space()
	if in := space.In(hands[k.Manner]); in.Count() > 0 {
		space = in
	}
	return space.Draw(1, rng.Uint64(), nil)[0]
}
