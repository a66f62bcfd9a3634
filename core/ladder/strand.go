// Package ladder knows the stages of the strands, what comes before them and
// in which manners they are worked, and judges what a child's records say.
package ladder

import (
	"slices"
	"strings"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/task"
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
	Example task.Task
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
		{choose.FirstSnake, snake, after("tens/full-ten"), nil, problem.SumOf(6, 4, 7, 3).Task()},
		{choose.SecondSnake, snake, after(choose.FirstSnake), nil, problem.SumOf(7, 5, 8).Task()},
		{choose.NoSwap, all, numbersFirst, nil, problem.SumOf(23, 45).Task()},
		{choose.OneSwapOnes, all, after(choose.NoSwap, "places/four-kinds"), hto[:1], problem.SumOf(27, 45).Task()},
		{choose.OneSwapHigher, all, after(choose.OneSwapOnes), hto[1:], problem.SumOf(283, 154).Task()},
		{choose.SeveralSwaps, all, after(choose.OneSwapHigher), hto, problem.SumOf(276, 158).Task()},
		{choose.SwapMakesSwap, all, after(choose.SeveralSwaps), hto[1:], problem.SumOf(248, 153).Task()},
		{choose.NewPlace, all, after(choose.OneSwapOnes), nil, problem.SumOf(675, 480).Task()},
		{choose.ThreeAddends, all, after(choose.SeveralSwaps), nil, problem.SumOf(16, 27, 38).Task()},
		{choose.AnySum, all, after(choose.SwapMakesSwap, choose.NewPlace, choose.ThreeAddends), nil, problem.SumOf(40_960, 9_870).Task()},
	},
	Taking: {
		{choose.TakeNoSwap, all, numbersFirst, nil, problem.DifferenceOf(68, 23).Task()},
		{choose.TakeOneSwapTens, all, after(choose.TakeNoSwap, "places/four-kinds"), hto[:1], problem.DifferenceOf(62, 38).Task()},
		{choose.TakeOneSwapHigher, all, after(choose.TakeOneSwapTens), hto[1:], problem.DifferenceOf(528, 163).Task()},
		{choose.TakeSeveralSwaps, all, after(choose.TakeOneSwapHigher), hto, problem.DifferenceOf(523, 138).Task()},
		{choose.AcrossOneZero, all, after(choose.TakeSeveralSwaps, "places/zero-in-a-place"), nil, problem.DifferenceOf(503, 128).Task()},
		{choose.AcrossZeros, all, after(choose.AcrossOneZero), nil, problem.DifferenceOf(5003, 128).Task()},
		{choose.AnyDifference, all, after(choose.AcrossZeros), nil, problem.DifferenceOf(40_960, 9_870).Task()},
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

// Credit is the stage that a task counts for: the one for which it was chosen or,
// where it was typed, the one that it belongs to.
func Credit(t task.Task, chosen choose.StageID) choose.StageID {
	if chosen != "" {
		return chosen
	}
	return book.StageOf(t)
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

// kinds returns the places whose swap a task shows, of those that its stage
// asks for.
func kinds(t task.Task, stage choose.StageID) []place.Place {
	of := problem.Swap
	if stage == choose.SwapMakesSwap {
		of = problem.Made
	}
	var shown []place.Place
	for _, p := range place.All() {
		if slices.Contains(t.Shows(), of(p)) {
			shown = append(shown, p)
		}
	}
	return shown
}
