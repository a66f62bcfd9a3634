// Package ladder knows the stages of the strands, what comes before them and
// in which manners they are worked, and judges what a child's records say.
package ladder

import (
	"slices"
	"strings"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/place"
	"vineswap/core/swap"
)

// Strand is a row of stages that build on one another.
type Strand string

// The strands that are built.
const (
	Joining Strand = "joining"
	Taking  Strand = "taking"
)

// Strands returns the strands that are built, in order.
func Strands() []Strand { return []Strand{Joining, Taking} }

// Stage is one stage of a strand.
type Stage struct {
	ID      choose.StageID
	Manners []book.Manner
	// After are the stages that come before: of each row one must be secure. A
	// row of stages of strands that are not built counts as met.
	After   [][]choose.StageID
	Kinds   []place.Place // the places whose swap the stage asks for, one by one
	Example swap.Problem
}

// StrandOf returns the strand that a stage belongs to.
func StrandOf(id choose.StageID) Strand {
	strand, _, _ := strings.Cut(string(id), "/")
	return Strand(strand)
}

// after is short for prerequisites that are all asked for.
func after(ids ...choose.StageID) [][]choose.StageID {
	rows := make([][]choose.StageID, len(ids))
	for i, id := range ids {
		rows[i] = []choose.StageID{id}
	}
	return rows
}

// numbersFirst is what the first stage of joining and of taking waits for.
var numbersFirst = [][]choose.StageID{{"tens/tens-and-ones", "places/quantity-and-card"}}

var (
	snake = []book.Manner{book.Pieces}
	all   = book.Manners()
	hto   = []place.Place{place.Ones, place.Tens, place.Hundreds}
)

var stages = map[Strand][]Stage{
	Joining: {
		{choose.FirstSnake, snake, after("tens/full-ten"), nil, swap.SumOf(6, 4, 7, 3)},
		{choose.SecondSnake, snake, after(choose.FirstSnake), nil, swap.SumOf(7, 5, 8)},
		{choose.NoSwap, all, numbersFirst, nil, swap.SumOf(23, 45)},
		{choose.OneSwapOnes, all, after(choose.NoSwap, "places/four-kinds"), hto[:1], swap.SumOf(27, 45)},
		{choose.OneSwapHigher, all, after(choose.OneSwapOnes), hto[1:], swap.SumOf(283, 154)},
		{choose.SeveralSwaps, all, after(choose.OneSwapHigher), hto, swap.SumOf(276, 158)},
		{choose.SwapMakesSwap, all, after(choose.SeveralSwaps), hto[1:], swap.SumOf(248, 153)},
		{choose.NewPlace, all, after(choose.OneSwapOnes), nil, swap.SumOf(675, 480)},
		{choose.ThreeAddends, all, after(choose.SeveralSwaps), nil, swap.SumOf(16, 27, 38)},
		{choose.AnySum, all, after(choose.SwapMakesSwap, choose.NewPlace, choose.ThreeAddends), nil, swap.SumOf(40_960, 9_870)},
	},
	Taking: {
		{choose.TakeNoSwap, all, numbersFirst, nil, swap.DifferenceOf(68, 23)},
		{choose.TakeOneSwapTens, all, after(choose.TakeNoSwap, "places/four-kinds"), hto[:1], swap.DifferenceOf(62, 38)},
		{choose.TakeOneSwapHigher, all, after(choose.TakeOneSwapTens), hto[1:], swap.DifferenceOf(528, 163)},
		{choose.TakeSeveralSwaps, all, after(choose.TakeOneSwapHigher), hto, swap.DifferenceOf(523, 138)},
		{choose.AcrossOneZero, all, after(choose.TakeSeveralSwaps, "places/zero-in-a-place"), nil, swap.DifferenceOf(503, 128)},
		{choose.AcrossZeros, all, after(choose.AcrossOneZero), nil, swap.DifferenceOf(5003, 128)},
		{choose.AnyDifference, all, after(choose.AcrossZeros), nil, swap.DifferenceOf(40_960, 9_870)},
	},
}

// Stages returns the stages of a strand in teaching order.
func Stages(s Strand) []Stage { return stages[s] }

// StageByID finds a stage of a strand that is built.
func StageByID(id choose.StageID) (Stage, bool) {
	list := stages[StrandOf(id)]
	i := slices.IndexFunc(list, func(s Stage) bool { return s.ID == id })
	if i < 0 {
		return Stage{}, false
	}
	return list[i], true
}

// BuildsOn tells whether work at a stage uses what an earlier one teaches.
func BuildsOn(stage, earlier choose.StageID) bool { return buildsOn[stage][earlier] }

// buildsOn has, for each stage, all that come before it, however far back.
var buildsOn = func() map[choose.StageID]map[choose.StageID]bool {
	all := map[choose.StageID]map[choose.StageID]bool{}
	for _, strand := range Strands() {
		for _, stage := range stages[strand] { // what comes before stands before
			all[stage.ID] = map[choose.StageID]bool{}
			for _, row := range stage.After {
				for _, id := range row {
					all[stage.ID][id] = true
					for further := range all[id] {
						all[stage.ID][further] = true
					}
				}
			}
		}
	}
	return all
}()

// kinds returns the places whose swap a problem shows, of those that its stage
// asks for.
func kinds(p swap.Problem, stage choose.StageID) []place.Place {
	var shown []place.Place
	if p.Kind == swap.Difference {
		for _, c := range place.TakingColumns(p.Numbers[0], p.Numbers[1]) {
			if c.Came {
				shown = append(shown, c.Place)
			}
		}
		return shown
	}
	for _, c := range place.Columns(p.Numbers) {
		if c.Swaps() && (stage != choose.SwapMakesSwap || c.MadeBySwap()) {
			shown = append(shown, c.Place)
		}
	}
	return shown
}
