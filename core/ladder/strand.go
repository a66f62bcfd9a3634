package ladder

import (
	"slices"
	"strings"
	"sync"

	"vineswap/core/book"
	"vineswap/core/chain"
	"vineswap/core/choose"
	"vineswap/core/number"
	"vineswap/core/numberrods"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/snake"
	"vineswap/core/task"
)

// Strand is a row of stages that build on one another.
type Strand string

// The strands that are built.
const (
	Tens    Strand = "tens"
	Places  Strand = "places"
	Joining Strand = "joining"
	Taking  Strand = "taking"
	Sharing Strand = "sharing"
)

// Stage is one stage of a strand.
type Stage struct {
	ID      choose.StageID
	Manners []book.Manner
	// After are the stages that come before: of each row one must be met. Stages of
	// strands that are not built count as met.
	After   [][]choose.StageID
	Example task.Task
	// Accepts tells whether a task is one of the stage.
	Accepts func(task.Task) bool
	// About tells whether work in some places of such a task is about what the stage
	// teaches.
	About func(task.Task, place.Set) bool
	// Asks are the skills each of which is to be seen, of those that numbers below a
	// limit can show; a limit of 0 is none.
	Asks func(limit place.Number) []task.Skill
	// Within tells whether the stage has numbers below a limit.
	Within func(limit place.Number) bool
}

// after is short for prerequisites that are all asked for.
func after(ids ...choose.StageID) [][]choose.StageID {
	rows := make([][]choose.StageID, len(ids))
	for i, id := range ids {
		rows[i] = []choose.StageID{id}
	}
	return rows
}

// ofNumbers makes a stage for which numbers are chosen.
func ofNumbers(id choose.StageID, manners []book.Manner, after [][]choose.StageID, example problem.Problem) Stage {
	return Stage{ID: id, Manners: manners, After: after, Example: example.Task(), Asks: id.Asks, Within: id.Within, Accepts: func(t task.Task) bool {
		p, of := problem.From(t)
		return of && id.Accepts(p) || ofRods(id, t)
	}, About: func(t task.Task, part place.Set) bool {
		p, of := problem.From(t)
		return !of || id.About(p, part)
	}}
}

// ofOne makes a stage in which one number is asked.
func ofOne(id choose.StageID, manners []book.Manner, after [][]choose.StageID) Stage {
	return Stage{
		ID: id, Manners: manners, After: after, Example: number.Example(id).Task(),
		About:  func(task.Task, place.Set) bool { return true },
		Asks:   func(place.Number) []task.Skill { return number.Asks(id) },
		Within: func(limit place.Number) bool { return number.Within(id, limit) },
		Accepts: func(t task.Task) bool {
			a, of := number.From(t)
			return of && number.Accepts(id, a) || ofRods(id, t)
		},
	}
}

// ofRods tells whether a task is one with number rods that counts for a stage.
func ofRods(id choose.StageID, t task.Task) bool {
	r, of := numberrods.From(t)
	return of && numberrods.StageOf(r) == id
}

// ofChains makes the stage of chains.
func ofChains(after [][]choose.StageID) Stage {
	return Stage{
		ID: chain.Stage, Manners: []book.Manner{book.Pieces, book.Head}, After: after, Example: chain.Short(5).Task(),
		About:  func(task.Task, place.Set) bool { return true },
		Asks:   func(place.Number) []task.Skill { return nil },
		Within: func(limit place.Number) bool { return limit == 0 || limit >= 20 },
		Accepts: func(t task.Task) bool {
			c, of := chain.From(t)
			return of && chain.Accepts(c)
		},
	}
}

// ofSnake makes a stage of snakes.
func ofSnake(id choose.StageID, after [][]choose.StageID, example snake.Snake) Stage {
	return Stage{
		ID: id, Manners: []book.Manner{book.Pieces}, After: after, Example: example.Task(),
		About:  func(task.Task, place.Set) bool { return true },
		Asks:   func(place.Number) []task.Skill { return nil },
		Within: func(limit place.Number) bool { return limit == 0 || limit > snake.Ten },
		Accepts: func(t task.Task) bool {
			s, of := barsOf(t)
			return of && snake.Accepts(id, s)
		},
	}
}

// barsOf is a snake, or the bars of a sum that was chosen for one before snakes had a mat of
// their own.
func barsOf(t task.Task) (snake.Snake, bool) {
	p, sum := problem.From(t)
	if !sum || p.Kind != problem.Sum {
		return snake.From(t)
	}
	var s snake.Snake
	for _, n := range p.Numbers {
		s.Bars = append(s.Bars, int(n))
	}
	return s, len(s.Bars) >= fewestBars
}

// fewestBars is how many addends a sum had that was chosen for a snake.
const fewestBars = 4

var (
	small = []book.Manner{book.Pieces, book.Drawn, book.Head}
	// ofPlaces are all but pieces with the column beside them.
	ofPlaces = []book.Manner{book.Pieces, book.Drawn, book.Column, book.Head}
	all      = book.Manners()
	// numbersFirst is what the first stage with two digits waits for.
	numbersFirst = [][]choose.StageID{{number.TensAndOnes, number.QuantityAndCard}}
)

// strands are those that are built, in order.
var strands []strandOf

type strandOf struct {
	strand Strand
	stages []Stage
}

func init() {
	Register(Tens,
		ofOne(number.OneByOne, small, nil),
		ofOne(number.FullTen, small, after(number.OneByOne)),
		ofOne(number.TenAndOnes, small, after(number.FullTen)),
		ofOne(number.WritingTeens, small, after(number.TenAndOnes)),
		ofOne(number.CountingOn, small, after(number.TenAndOnes)),
		ofOne(number.WholeTens, small, after(number.FullTen)),
		ofOne(number.TensAndOnes, small, after(number.WholeTens, number.WritingTeens)),
	)
	Register(Places,
		ofOne(number.FourKinds, ofPlaces, after(number.FullTen)),
		ofOne(number.QuantityAndCard, ofPlaces, after(number.FourKinds)),
		ofOne(number.ZeroInAPlace, ofPlaces, after(number.QuantityAndCard)),
		ofOne(number.ExpandedForm, ofPlaces, after(number.QuantityAndCard)),
		ofOne(number.Renaming, ofPlaces, after(number.ExpandedForm)),
		ofOne(number.CompareAndOrder, ofPlaces, after(number.ZeroInAPlace)),
		ofOne(number.FiveAndSix, ofPlaces, after(number.ZeroInAPlace, number.ExpandedForm)),
	)
	Register(Joining,
		ofNumbers(choose.WithinTen, small, after(number.OneByOne), problem.SumOf(4, 3)),
		ofNumbers(choose.OverTen, small, after(number.FullTen, choose.WithinTen), problem.SumOf(8, 5)),
		ofSnake(snake.First, after(number.FullTen), snake.Of(6, 4, 7, 3)),
		ofSnake(snake.Second, after(snake.First), snake.Of(7, 5, 8)),
		ofNumbers(choose.NoSwap, all, numbersFirst, problem.SumOf(23, 45)),
		ofNumbers(choose.OneSwapOnes, all, after(choose.NoSwap, choose.OverTen, number.FourKinds), problem.SumOf(27, 45)),
		ofNumbers(choose.OneSwapHigher, all, after(choose.OneSwapOnes), problem.SumOf(283, 154)),
		ofNumbers(choose.SeveralSwaps, all, after(choose.OneSwapHigher), problem.SumOf(1276, 1158)),
		ofNumbers(choose.SwapMakesSwap, all, after(choose.SeveralSwaps), problem.SumOf(248, 153)),
		ofNumbers(choose.NewPlace, all, after(choose.OneSwapOnes), problem.SumOf(675, 480)),
		ofNumbers(choose.ThreeAddends, all, after(choose.SeveralSwaps), problem.SumOf(16, 27, 38)),
		ofNumbers(choose.AnySum, all, after(choose.SwapMakesSwap, choose.NewPlace, choose.ThreeAddends, number.FiveAndSix), problem.SumOf(40_960, 9_870)),
	)
	Register(Taking,
		ofNumbers(choose.TakeWithinTen, small, after(choose.WithinTen), problem.DifferenceOf(9, 4)),
		ofNumbers(choose.BackOverTen, small, after(choose.OverTen, choose.TakeWithinTen), problem.DifferenceOf(13, 8)),
		ofNumbers(choose.TakeNoSwap, all, numbersFirst, problem.DifferenceOf(68, 23)),
		ofNumbers(choose.TakeOneSwapTens, all, after(choose.TakeNoSwap, choose.BackOverTen, number.Renaming, number.FourKinds), problem.DifferenceOf(62, 38)),
		ofNumbers(choose.TakeOneSwapHigher, all, after(choose.TakeOneSwapTens), problem.DifferenceOf(528, 163)),
		ofNumbers(choose.TakeSeveralSwaps, all, after(choose.TakeOneSwapHigher), problem.DifferenceOf(523, 138)),
		ofNumbers(choose.AcrossOneZero, all, after(choose.TakeSeveralSwaps, number.ZeroInAPlace), problem.DifferenceOf(503, 128)),
		ofNumbers(choose.AcrossZeros, all, after(choose.AcrossOneZero), problem.DifferenceOf(5003, 128)),
		ofNumbers(choose.AnyDifference, all, after(choose.AcrossZeros, number.FiveAndSix), problem.DifferenceOf(40_960, 9_870)),
	)
	Register(Sharing,
		ofChains(after(number.FullTen)),
		ofNumbers(choose.EqualTrays, all, after(choose.NoSwap), problem.Of(problem.Trays, 213, 3)),
		ofNumbers(choose.EqualTraysSwap, all, after(choose.EqualTrays, choose.SeveralSwaps), problem.Of(problem.Trays, 24, 3)),
		ofNumbers(choose.ShareEven, all, after(choose.TakeNoSwap, number.QuantityAndCard), problem.Of(problem.Sharing, 84, 4)),
		ofNumbers(choose.ShareSwap, all, after(choose.ShareEven, choose.TakeOneSwapTens), problem.Of(problem.Sharing, 72, 3)),
		ofNumbers(choose.ShareRemainder, all, after(choose.ShareSwap), problem.Of(problem.Sharing, 97, 4)),
	)
}

// Register adds a strand with its stages in teaching order. It is called while the
// program starts.
func Register(strand Strand, stages ...Stage) {
	strands = append(strands, strandOf{strand, stages})
	before = ancestors()
	usedByKey.Clear()
}

// Strands returns the strands that are built, in order.
func Strands() []Strand {
	out := make([]Strand, len(strands))
	for i, s := range strands {
		out[i] = s.strand
	}
	return out
}

// StrandOf returns the strand that a stage belongs to.
func StrandOf(id choose.StageID) Strand {
	strand, _, _ := strings.Cut(string(id), "/")
	return Strand(strand)
}

// Stages returns the stages of a strand in teaching order.
func Stages(strand Strand) []Stage {
	for _, s := range strands {
		if s.strand == strand {
			return s.stages
		}
	}
	return nil
}

// StageByID finds a stage of a strand that is built.
func StageByID(id choose.StageID) (Stage, bool) {
	list := Stages(StrandOf(id))
	i := slices.IndexFunc(list, func(s Stage) bool { return s.ID == id })
	if i < 0 {
		return Stage{}, false
	}
	return list[i], true
}

// Credit returns the stage that a task counts for: the one for which it was chosen
// if that stage's own rule accepts it; otherwise, as where it was typed, the one
// that it belongs to. None for a kind without stages.
func Credit(t task.Task, chosen choose.StageID) choose.StageID {
	if chosen != "" && accepts(chosen, t) {
		return chosen
	}
	if p, of := problem.From(t); of {
		return choose.StageOf(p)
	}
	if a, of := number.From(t); of {
		return number.StageOf(a)
	}
	for _, s := range strands {
		for _, stage := range s.stages {
			if stage.Accepts(t) {
				return stage.ID
			}
		}
	}
	return ""
}

func accepts(id choose.StageID, t task.Task) bool {
	if stage, built := StageByID(id); built {
		return stage.Accepts(t)
	}
	p, of := problem.From(t) // of a strand that is not followed yet
	return of && id.Accepts(p)
}

// before has, for each stage, all that come before it, however far back, in
// teaching order.
var before map[choose.StageID][]choose.StageID

func ancestors() map[choose.StageID][]choose.StageID {
	all := map[choose.StageID][]choose.StageID{}
	var of func(id choose.StageID) []choose.StageID
	of = func(id choose.StageID) []choose.StageID {
		if known, done := all[id]; done {
			return known
		}
		all[id] = nil
		var list []choose.StageID
		stage, _ := StageByID(id)
		for _, row := range stage.After {
			for _, earlier := range row {
				list = append(append(list, earlier), of(earlier)...)
			}
		}
		slices.Sort(list)
		all[id] = slices.Compact(list)
		return all[id]
	}
	for _, s := range strands {
		for _, stage := range s.stages {
			of(stage.ID)
		}
	}
	return all
}

// BuildsOn tells whether work at a stage uses what an earlier one teaches.
func BuildsOn(stage, earlier choose.StageID) bool {
	_, found := slices.BinarySearch(before[stage], earlier)
	return found
}

// usedByKey remembers what usedBy has found. Strands are registered while the program
// starts, before anything is judged.
var usedByKey sync.Map

// usedBy lists the keys of stages that are built which work under a key uses: those that
// come before it, and the same stage with more material.
func usedBy(k Key) []Key {
	if known, ok := usedByKey.Load(k); ok {
		return known.([]Key)
	}
	keys := []Key{}
	for _, id := range append(slices.Clone(before[k.Stage]), k.Stage) {
		stage, _ := StageByID(id) // none where it is not built
		for _, m := range stage.Manners {
			if used := (Key{id, m}); k.Uses(used) {
				keys = append(keys, used)
			}
		}
	}
	usedByKey.Store(k, keys)
	return keys
}

// Uses tells whether work under one key uses what another one is about: the same
// stage or one that it builds on, in as much material or more; and is not the same.
func (k Key) Uses(earlier Key) bool {
	if k == earlier || k.Stage != earlier.Stage && !BuildsOn(k.Stage, earlier.Stage) {
		return false
	}
	return book.Less(k.Manner, earlier.Manner) || k.Manner == earlier.Manner
}
