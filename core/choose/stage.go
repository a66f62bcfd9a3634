package choose

import (
	"errors"
	"fmt"
	"slices"
	"strings"

	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/task"
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

// The stages of sharing, in the order in which they are taught.
const (
	EqualTrays     StageID = "sharing/equal-trays"
	EqualTraysSwap StageID = "sharing/equal-trays-swap"
	ShareEven      StageID = "sharing/share-even"
	ShareSwap      StageID = "sharing/share-swap"
	ShareRemainder StageID = "sharing/share-remainder"
)

// ErrStage is wrapped by the error about a stage that does not exist.
var ErrStage = errors.New("there is no such stage")

// Stages returns the stages that numbers can be chosen for, strand by strand in
// teaching order.
func Stages() []StageID {
	return []StageID{
		FirstSnake, SecondSnake, NoSwap, OneSwapOnes, OneSwapHigher, SeveralSwaps, SwapMakesSwap, NewPlace, ThreeAddends, AnySum,
		TakeNoSwap, TakeOneSwapTens, TakeOneSwapHigher, TakeSeveralSwaps, AcrossOneZero, AcrossZeros, AnyDifference,
		EqualTrays, EqualTraysSwap, ShareEven, ShareSwap, ShareRemainder,
	}
}

// Kind returns the kind of problem of a stage that numbers can be chosen for.
func (s StageID) Kind() task.Kind {
	switch {
	case s == EqualTrays || s == EqualTraysSwap:
		return problem.Trays
	case strings.HasPrefix(string(s), "taking/"):
		return problem.Difference
	case strings.HasPrefix(string(s), "sharing/"):
		return problem.Sharing
	}
	return problem.Sum
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
	swap   Wants // of single places
	fewest uint8 // how many places swap at least, 0 to 2
	most   uint8 // and at most; manySwaps is no limit
	made   Want  // whether a place swaps only because of the swap below it
	cross  Want  // whether a swap goes through a zero
	row    Want  // whether through two or more in a row
	rest   Want  // whether there is a remainder
	cut    Want  // of a snake: whether a ten ends inside a bar
	none   bool  // numbers of these lengths are of another stage
}

// manySwaps is where the programme stops counting swapping places.
const manySwaps = 2

// rule returns what the stage asks when the numbers' highest place is top. No
// stage asks nothing.
func (s StageID) rule(top place.Place) rule {
	r := rule{most: manySwaps}
	switch s {
	case FirstSnake, SecondSnake:
		r.none = top > place.Ones // bars have one to nine beads
		r.swap[place.Ones], r.cut = Yes, No
		if s == SecondSnake {
			r.cut = Yes
		}
	case NoSwap, TakeNoSwap, EqualTrays:
		r.only(top)
	case OneSwapOnes:
		r.only(top)
		r.fewest = 1
		if top > place.Ones {
			r.swap[place.Ones] = Yes
		}
	case TakeOneSwapTens:
		r.only(top)
		r.swap[place.Ones] = Yes
	case OneSwapHigher:
		r.swap[place.Ones], r.swap[top] = No, No
		r.fewest, r.most = 1, 1
	case TakeOneSwapHigher:
		r.swap[place.Ones] = No
		r.fewest, r.most = 1, 1
	case SeveralSwaps:
		r.swap[top], r.fewest, r.made = No, 2, No
	case TakeSeveralSwaps:
		r.fewest, r.cross = 2, No
	case SwapMakesSwap:
		r.swap[top], r.made = No, Yes
	case NewPlace:
		r.swap[top] = Yes
	case ThreeAddends:
		r.none = top > place.Thousands
	case AcrossOneZero:
		r.cross, r.row = Yes, No
	case AcrossZeros:
		r.cross, r.row = Yes, Yes
	case AnySum, AnyDifference:
		r.none = top <= place.Thousands
	case EqualTraysSwap:
		r.fewest = 1
	case ShareEven:
		r.only(top)
		r.rest = No
	case ShareSwap:
		r.fewest, r.rest = 1, No
	case ShareRemainder:
		r.rest = Yes
	}
	return r
}

// takes tells whether so many numbers can be of the stage at all.
func (s StageID) takes(numbers int) bool { return s != ThreeAddends || numbers > 2 }

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
	case AnySum, AnyDifference:
		return 5
	case AcrossZeros:
		return 4 // a place to give, two zeros, a place to get
	case OneSwapHigher, SeveralSwaps, SwapMakesSwap, TakeOneSwapHigher, TakeSeveralSwaps, AcrossOneZero:
		return 3 // a place between the ones and the highest, or two below it
	case OneSwapOnes, TakeOneSwapTens, ShareSwap:
		return 2 // the ones are not the highest place
	}
	return 1
}

// Most returns how many digits a number of the stage has at most where the
// numbers are meant for pieces.
func (s StageID) Most() int {
	switch s {
	case FirstSnake, SecondSnake:
		return 1
	case AnySum, AnyDifference:
		return place.MostDigits
	}
	return int(place.TopPiece) + 1
}

// Fit makes lengths of numbers suit the stage, as when it is picked: as many as it
// needs, and no more than two but where there may be; the longest no shorter than
// it needs, and none longer. No lengths become short ones.
func (s StageID) Fit(digits []int) []int {
	const short = 2
	fitted := slices.Clone(digits)
	if len(fitted) == 0 {
		fitted = []int{short}
	}
	for len(fitted) < s.Numbers() {
		fitted = append(fitted, fitted[len(fitted)-1])
	}
	if s != ThreeAddends {
		fitted = fitted[:s.Numbers()]
	}
	grow := slices.Max(fitted) < s.Least()
	for i, d := range fitted {
		if grow {
			d = s.Least()
		}
		fitted[i] = min(d, s.Most())
	}
	return fitted
}

// Laid tells whether problems of the stage can be laid out with pieces.
func (s StageID) Laid() bool {
	return s.Least() <= int(place.TopPiece)+1 && s != FirstSnake && s != SecondSnake
}

// Numbers returns how many numbers the stage needs at least.
func (s StageID) Numbers() int {
	switch s.Kind() {
	case problem.Sharing, problem.Trays:
		return 1
	}
	switch s {
	case FirstSnake, SecondSnake:
		return 4 // two tens at least can be in it
	case ThreeAddends:
		return 3
	}
	return 2
}

// StageOf returns the stage that a typed sum belongs to: the first that fits,
// asked in the order of the field's ladder.
func StageOf(numbers []place.Number) StageID {
	top := place.HighestOf(numbers)
	var swaps []place.Column
	made := false
	for _, c := range place.Columns(numbers) {
		if c.Swaps {
			swaps = append(swaps, c)
			made = made || c.Made
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
		if c.Swaps {
			came++
		}
		if row++; !c.Crossed {
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
	case columns[place.Ones].Swaps:
		return TakeOneSwapTens
	}
	return TakeOneSwapHigher
}

// StageOfSharing returns the stage that a number shared by so many belongs to.
func StageOfSharing(n place.Number, sharers int) StageID {
	stage := ShareEven
	for _, c := range place.SharingColumns(n, sharers) {
		if c.Place == place.Ones && c.Swaps {
			return ShareRemainder
		}
		if c.Swaps {
			stage = ShareSwap
		}
	}
	return stage
}

// StageOfTrays returns the stage that equal trays belong to.
func StageOfTrays(n place.Number, trays int) StageID {
	for _, c := range place.Columns(slices.Repeat([]place.Number{n}, trays)) {
		if c.Swaps {
			return EqualTraysSwap
		}
	}
	return EqualTrays
}
