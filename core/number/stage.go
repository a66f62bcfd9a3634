package number

import (
	"slices"

	"vineswap/core/choose"
	"vineswap/core/place"
	"vineswap/core/task"
)

// The stages of tens, in the order in which they are taught.
const (
	OneByOne     choose.StageID = "tens/one-by-one"
	FullTen      choose.StageID = "tens/full-ten"
	TenAndOnes   choose.StageID = "tens/ten-and-ones"
	WritingTeens choose.StageID = "tens/writing-teens"
	CountingOn   choose.StageID = "tens/counting-on"
	WholeTens    choose.StageID = "tens/whole-tens"
	TensAndOnes  choose.StageID = "tens/tens-and-ones"
)

// The stages of places with one number, in the order in which they are taught.
const (
	FourKinds       choose.StageID = "places/four-kinds"
	QuantityAndCard choose.StageID = "places/quantity-and-card"
	ZeroInAPlace    choose.StageID = "places/zero-in-a-place"
	ExpandedForm    choose.StageID = "places/expanded-form"
	Renaming        choose.StageID = "places/renaming"
	CompareAndOrder choose.StageID = "places/compare-and-order"
	FiveAndSix      choose.StageID = "places/five-and-six-digits"
)

// stage is what a stage asks for: which numbers, shown as, answered as. Its numbers are
// listed, or all of some lengths.
type stage struct {
	id       choose.StageID
	numbers  listed
	lengths  []int
	zeros    Zeros // of the lengths; empty where it is chosen
	shown    []Shown
	answered []Answered
	usual    []way // shown and answered when the stage is picked
	asks     []task.Skill
	example  Asked
}

func from(least, most place.Number) listed {
	var list listed
	for n := least; n <= most; n++ {
		list = append(list, n)
	}
	return list
}

func usually(pairs ...[2]string) []way {
	var list []way
	for _, p := range pairs {
		w, known := wayOf(Shown(p[0]), Answered(p[1]))
		if !known {
			panic("number: " + p[0] + " is not answered as " + p[1])
		}
		list = append(list, w)
	}
	return list
}

// stages are defined once: numbers are counted, drawn and credited by the same list.
var stages = []stage{
	{
		id: OneByOne, numbers: from(0, 10), shown: []Shown{Things, Handful, Sticks, Numeral, Word, Said}, answered: []Answered{Say, Write, Lay, CountBack},
		usual: usually([2]string{"things", "say"}, [2]string{"numeral", "lay"}), example: Asked{Number: 5, Shown: Things, Answered: Say},
	},
	{
		id: FullTen, numbers: from(0, 10), shown: []Shown{Frames, Rack10, Rack20, Rack100, Fingers, Numeral, Said}, answered: []Answered{Say, Write, Fill, ToTen, Push},
		usual: usually([2]string{"frames", "say"}, [2]string{"frames", "to-ten"}), example: Asked{Number: 8, Shown: Frames, Answered: Say},
	},
	{
		id: TenAndOnes, numbers: from(11, 19), shown: []Shown{Frames, Pieces, Handful, Crowd, Rows, Drawn, Rack20, Rack100, Bundles, Numeral, Word, Said, Expanded, Units}, answered: []Answered{Fill, Lay, Ring, Draw, InUnits, InParts, Write, Say, Push},
		usual: usually([2]string{"numeral", "lay"}, [2]string{"numeral", "fill"}), example: Asked{Number: 14, Shown: Numeral, Answered: Fill},
	},
	{
		id: WritingTeens, numbers: from(11, 19), shown: []Shown{Frames, Pieces, Drawn, Rack20, Rack100, Bundles, Word, Said, Numeral, Expanded, Units}, answered: []Answered{Say, Write, Pick, Match},
		usual: usually([2]string{"frames", "write"}, [2]string{"frames", "say"}, [2]string{"word", "write"}), example: Asked{Number: 17, Shown: Word, Answered: Write},
	},
	{
		id: CountingOn, numbers: from(11, 19), shown: []Shown{Covered}, answered: []Answered{CountOn, Write},
		usual: usually([2]string{"covered", "count-on"}), example: Asked{Number: 13, Shown: Covered, Answered: CountOn},
	},
	{
		id: WholeTens, numbers: listed{20, 30, 40, 50, 60, 70, 80, 90}, shown: []Shown{Frames, Pieces, Drawn, Rack20, Rack100, Bundles, Numeral, Word, Said, Units}, answered: []Answered{Say, Write, HowMany, Lay, Draw, Push},
		usual: usually([2]string{"pieces", "how-many"}, [2]string{"pieces", "say"}), asks: []task.Skill{HowManyTens, HowMuch}, example: Asked{Number: 70, Shown: Pieces, Answered: Say},
	},
	{
		id: TensAndOnes, numbers: from(20, 99), shown: []Shown{Crowd, Rows, Pieces, Drawn, Handful, Frames, Rack100, Bundles, Numeral, Word, Said, Expanded, Units, Riddle}, answered: []Answered{Ring, Say, Write, Lay, Draw, InUnits, InParts, HowMany, Pick, Match, Push},
		usual: usually([2]string{"crowd", "ring"}, [2]string{"drawn", "write"}, [2]string{"numeral", "draw"}), example: Asked{Number: 43, Shown: Drawn, Answered: Write},
	},
	{
		id: FourKinds, numbers: listed{1, 10, 100, 1000}, shown: []Shown{Kinds, TenOf, Numeral}, answered: []Answered{Say, Write, HowMany, Hundreds},
		usual: usually([2]string{"kinds", "say"}, [2]string{"ten-of", "say"}), example: Asked{Number: 100, Shown: TenOf, Answered: Say},
	},
	{
		id: QuantityAndCard, lengths: []int{3, 4}, zeros: NoZeros, shown: []Shown{Pieces, Drawn, Cards, Numeral, Word, Said}, answered: []Answered{WithCards, Lay, Draw, Say, Write},
		usual: usually([2]string{"pieces", "cards"}, [2]string{"numeral", "lay"}), example: Asked{Number: 342, Shown: Numeral, Answered: Lay},
	},
	{
		id: ZeroInAPlace, lengths: []int{3, 4}, zeros: WithZeros, shown: []Shown{Pieces, Drawn, Cards, Numeral, Word, Said}, answered: []Answered{WithCards, Lay, Draw, Say, Write},
		usual: usually([2]string{"numeral", "lay"}, [2]string{"said", "write"}), example: Asked{Number: 305, Shown: Numeral, Answered: Lay},
	},
	{
		id: ExpandedForm, lengths: []int{2, 3, 4}, shown: []Shown{Numeral, Cards, Pieces, Drawn, Word, Said, Expanded, Units}, answered: []Answered{InParts, InUnits, Write, Say, Lay, Draw, Join},
		usual: usually([2]string{"numeral", "expanded"}, [2]string{"expanded", "write"}), example: Asked{Number: 342, Shown: Numeral, Answered: InParts},
	},
	{
		id: Renaming, lengths: []int{2, 3, 4}, shown: []Shown{Renamed, Unswapped, Pieces, Numeral, Said}, answered: []Answered{Lay, Write, Say, Rename, HowMany, Hundreds},
		usual: usually([2]string{"renamed", "lay"}, [2]string{"numeral", "rename"}, [2]string{"numeral", "how-many"}), asks: []task.Skill{Renames, AllOf}, example: Asked{Number: 34, Shown: Numeral, Answered: Rename, Way: 2},
	},
	{
		id: CompareAndOrder, lengths: []int{2, 3, 4}, shown: []Shown{Pieces, Drawn, Cards, Numeral, Word, Said}, answered: []Answered{Sign, Decides, Order},
		usual: usually([2]string{"pieces", "sign"}, [2]string{"numeral", "sign"}, [2]string{"numeral", "decides"}, [2]string{"numeral", "order"}), example: Asked{Number: 342, Shown: Numeral, Answered: Sign, With: withNumbers([]place.Number{324})},
	},
	{
		id: FiveAndSix, lengths: []int{5, 6}, shown: []Shown{Numeral, Word, Said, Cards, Expanded}, answered: []Answered{Say, Write, WithCards, InParts},
		usual: usually([2]string{"numeral", "say"}, [2]string{"said", "write"}), example: Asked{Number: 40_306, Shown: Numeral, Answered: Say},
	},
}

func stageOf(id choose.StageID) (stage, bool) {
	i := slices.IndexFunc(stages, func(s stage) bool { return s.id == id })
	if i < 0 {
		return stage{}, false
	}
	return stages[i], true
}

// compares tells whether the stage has numbers that are compared.
func (s stage) compares() bool { return slices.Contains(s.answered, Order) }

// renames tells whether the stage has numbers in another way than their usual one.
func (s stage) renames() bool { return slices.Contains(s.answered, Rename) }

// takes tells whether the stage has numbers of so many digits in a way: how many tens there
// are in all is asked from 100 on, and a number as it usually lies is none that is renamed.
func (s stage) takes(w way, digits int) bool {
	inAll := w.answered == HowMany || w.answered == Hundreds
	return w.takesLength(digits) && (!s.renames() || w.renamed() || inAll && digits > 2)
}

// least is the smallest number of the stage.
func (s stage) least() place.Number {
	if s.lengths != nil {
		return place.Number(power(10, s.lengths[0]-1))
	}
	return s.numbers[0]
}

// all are the numbers of the stage.
func (s stage) all() numbers {
	if s.lengths != nil {
		return lengths{s.lengths, s.zeros.orAny(), false}
	}
	return s.numbers
}

// Stages returns the stages in teaching order, those of tens first.
func Stages() []choose.StageID {
	ids := make([]choose.StageID, len(stages))
	for i, s := range stages {
		ids[i] = s.id
	}
	return ids
}

// Example is a number of a stage.
func Example(id choose.StageID) Asked {
	s, _ := stageOf(id)
	return s.example
}

// Asks are the skills each of which the stage asks for.
func Asks(id choose.StageID) []task.Skill {
	s, _ := stageOf(id)
	return slices.Clone(s.asks)
}

// Within tells whether the stage has numbers below a limit; a limit of 0 is none. A stage whose
// numbers are chosen by their length has some where the shortest are all below it.
func Within(id choose.StageID, limit place.Number) bool {
	s, known := stageOf(id)
	switch {
	case !known || limit == 0:
		return known
	case s.lengths != nil:
		return power(10, slices.Min(s.lengths)) <= int(limit)
	}
	return s.least() < limit
}

// Accepts tells whether a number that is asked is one of the stage.
func Accepts(id choose.StageID, a Asked) bool {
	s, known := stageOf(id)
	if !known || a.Valid() != nil {
		return false
	}
	switch {
	case id == FullTen && (a.Shown == Numeral || a.Shown == Said) && a.Answered == Say:
		return false // nothing of five or ten is seen
	case id == FourKinds && a.Shown == Numeral && a.Answered == Say:
		return false // no kind is seen
	case id == OneByOne && a.Shown == Sticks:
		return true
	case id == CountingOn && a.Shown == Covered:
		return true // also beyond twenty
	}
	if w, _ := wayOf(a.Shown, a.Answered); s.lengths != nil && !slices.ContainsFunc(a.Numbers(), func(n place.Number) bool { return s.takes(w, n.Length()) }) {
		return false
	}
	return s.all().has(a.Number) && slices.Contains(s.shown, a.Shown) && slices.Contains(s.answered, a.Answered)
}

// StageOf returns the stage that a number belongs to that was typed.
func StageOf(a Asked) choose.StageID {
	n := a.Number
	switch {
	case a.Valid() != nil:
		return ""
	case a.Shown == Kinds || a.Shown == TenOf:
		return FourKinds
	case n >= hundred || a.renames() || a.Answered.compares() || a.Answered == Join:
		return ofPlaces(a)
	case a.Shown == Sticks:
		return OneByOne
	case a.Shown == Covered:
		return CountingOn
	case n <= 10 && (a.Shown == Frames || a.Shown == Fingers || a.OnRack() || a.Answered == ToTen || a.Answered == Fill):
		return FullTen
	case n <= 10:
		return OneByOne
	case n <= 19 && slices.Contains([]Answered{Say, Write, Pick, Match}, a.Answered) && !slices.Contains([]Shown{Handful, Crowd, Rows}, a.Shown):
		return WritingTeens
	case n <= 19:
		return TenAndOnes
	case n%10 == 0:
		return WholeTens
	}
	return TensAndOnes
}

// ofPlaces is the stage of a number from 100 on; of a whole crowd of 100 none.
func ofPlaces(a Asked) choose.StageID {
	for _, id := range []choose.StageID{FourKinds, FiveAndSix, QuantityAndCard, ZeroInAPlace, ExpandedForm, Renaming, CompareAndOrder} {
		if Accepts(id, a) {
			return id
		}
	}
	return ""
}
