package choose

import (
	"errors"
	"fmt"
	"slices"

	"vineswap/core/place"
)

// StageID names a stage of the ladder as strand/stage.
type StageID string

// The stages of joining, in the order in which they are taught.
const (
	FirstSnake    StageID = "joining/first-snake"
	SecondSnake   StageID = "joining/second-snake"
	NoSwap        StageID = "joining/no-swap"
	OneSwapOnes   StageID = "joining/one-swap-ones"
	OneSwapHigher StageID = "joining/one-swap-higher"
	SeveralSwaps  StageID = "joining/several-swaps"
	SwapMakesSwap StageID = "joining/swap-makes-swap"
	NewPlace      StageID = "joining/new-place"
	ThreeAddends  StageID = "joining/three-addends"
	AnySum        StageID = "joining/any-sum"
)

// The stages of taking, in the order in which they are taught.
const (
	TakeNoSwap        StageID = "taking/no-swap"
	TakeOneSwapTens   StageID = "taking/one-swap-tens"
	TakeOneSwapHigher StageID = "taking/one-swap-higher"
	TakeSeveralSwaps  StageID = "taking/several-swaps"
	AcrossOneZero     StageID = "taking/across-one-zero"
	AcrossZeros       StageID = "taking/across-zeros"
	AnyDifference     StageID = "taking/any-difference"
)

// ErrStage is wrapped by the error about a stage that does not exist.
var ErrStage = errors.New("there is no such stage")

// Stages returns the stages that numbers can be chosen for, in teaching order.
func Stages() []StageID {
	return []StageID{NoSwap, OneSwapOnes, OneSwapHigher, SeveralSwaps, SwapMakesSwap, NewPlace}
}

// ParseStage reads the id of a stage that numbers can be chosen for.
func ParseStage(id string) (StageID, error) {
	if stage := StageID(id); slices.Contains(Stages(), stage) {
		return stage, nil
	}
	return "", fmt.Errorf("%w: %q", ErrStage, id)
}

// rule is what a stage asks of the numbers of a problem.
type rule struct {
	swap   [place.Count]Want // of single places
	fewest int               // how many places swap at least, 0 to 2
	most   int               // and at most; manySwaps is no limit
	made   Want              // whether a place swaps only by what comes up
}

// manySwaps is where the programme stops counting swapping places.
const manySwaps = 2

// rule returns what the stage asks when the numbers' highest place is top. No
// stage asks nothing.
func (s StageID) rule(top place.Place) rule {
	r := rule{most: manySwaps}
	switch s {
	case NoSwap:
		r.only(top)
	case OneSwapOnes:
		r.only(top)
		r.fewest = 1
		if top > place.Ones {
			r.swap[place.Ones] = Yes
		}
	case OneSwapHigher:
		r.swap[place.Ones], r.swap[top] = No, No
		r.fewest, r.most = 1, 1
	case SeveralSwaps:
		r.swap[top], r.fewest, r.made = No, 2, No
	case SwapMakesSwap:
		r.swap[top], r.made = No, Yes
	case NewPlace:
		r.swap[top] = Yes
	}
	return r
}

// only asks that no place up to top swaps.
func (r *rule) only(top place.Place) {
	for p := range top + 1 {
		r.swap[p] = No
	}
}

// Least returns how many digits the longest number needs so that the stage has
// a problem at all.
func (s StageID) Least() int {
	switch s {
	case OneSwapOnes:
		return 2 // the ones are not the highest place
	case OneSwapHigher, SeveralSwaps, SwapMakesSwap:
		return 3 // a place between the ones and the highest, or two below it
	}
	return 1
}

// StageOf returns the stage that a typed sum belongs to: the first that fits,
// asked in the order of the field's ladder.
func StageOf(numbers []place.Number) StageID {
	top := place.HighestOf(numbers)
	var swaps []place.Column
	made := false
	for _, c := range place.Columns(numbers) {
		if c.Swaps() {
			swaps = append(swaps, c)
			made = made || c.MadeBySwap()
		}
	}
	switch {
	case top > place.Thousands:
		return AnySum
	case len(numbers) > 2:
		return ThreeAddends
	case len(swaps) == 0:
		return NoSwap
	case swaps[len(swaps)-1].Place >= top:
		return NewPlace
	case made:
		return SwapMakesSwap
	case len(swaps) > 1:
		return SeveralSwaps
	case swaps[0].Place == place.Ones:
		return OneSwapOnes
	}
	return OneSwapHigher
}

// StageOfTaking returns the stage that a difference belongs to: the first that
// fits, asked in the order of the field's ladder.
func StageOfTaking(larger, smaller place.Number) StageID {
	came, zeros, row := 0, 0, 0
	columns := place.TakingColumns(larger, smaller)
	for _, c := range columns {
		if c.Came {
			came++
		}
		if row++; !c.Crossed() {
			row = 0
		}
		zeros = max(zeros, row)
	}
	switch {
	case larger.Top() > place.Thousands:
		return AnyDifference
	case zeros > 1:
		return AcrossZeros
	case zeros == 1:
		return AcrossOneZero
	case came > 1:
		return TakeSeveralSwaps
	case came == 0:
		return TakeNoSwap
	case columns[place.Ones].Came:
		return TakeOneSwapTens
	}
	return TakeOneSwapHigher
}
