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

// stage is what a stage asks for: which numbers, shown as, answered as.
type stage struct {
	id       choose.StageID
	numbers  []place.Number
	shown    []Shown
	answered []Answered
	usual    []way // shown and answered when the stage is picked
	asks     []task.Skill
	example  Asked
}

func from(least, most place.Number) []place.Number {
	var list []place.Number
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
		OneByOne, from(0, 10), []Shown{Things, Handful, Sticks, Numeral, Word, Said}, []Answered{Say, Write, Lay, CountBack},
		usually([2]string{"things", "say"}, [2]string{"numeral", "lay"}), nil, Asked{5, Things, Say, 0},
	},
	{
		FullTen, from(0, 10), []Shown{Frames, Numeral, Said}, []Answered{Say, Write, Fill, ToTen},
		usually([2]string{"frames", "say"}, [2]string{"frames", "to-ten"}), nil, Asked{8, Frames, Say, 0},
	},
	{
		TenAndOnes, from(11, 19), []Shown{Frames, Pieces, Handful, Crowd, Rows, Drawn, Numeral, Word, Said, Expanded, Units}, []Answered{Fill, Lay, Ring, Draw, InUnits, InParts, Write, Say},
		usually([2]string{"numeral", "lay"}, [2]string{"numeral", "fill"}), nil, Asked{14, Numeral, Fill, 0},
	},
	{
		WritingTeens, from(11, 19), []Shown{Frames, Pieces, Drawn, Word, Said, Numeral, Expanded, Units}, []Answered{Say, Write, Pick, Match},
		usually([2]string{"frames", "write"}, [2]string{"frames", "say"}, [2]string{"word", "write"}), nil, Asked{17, Word, Write, 0},
	},
	{
		CountingOn, from(11, 19), []Shown{Covered}, []Answered{CountOn, Write},
		usually([2]string{"covered", "count-on"}), nil, Asked{13, Covered, CountOn, 0},
	},
	{
		WholeTens, []place.Number{20, 30, 40, 50, 60, 70, 80, 90}, []Shown{Pieces, Drawn, Numeral, Word, Said, Units}, []Answered{Say, Write, HowMany, Lay, Draw},
		usually([2]string{"pieces", "how-many"}, [2]string{"pieces", "say"}), []task.Skill{HowManyTens, HowMuch}, Asked{70, Pieces, Say, 0},
	},
	{
		TensAndOnes, from(20, 99), []Shown{Crowd, Rows, Pieces, Drawn, Handful, Frames, Numeral, Word, Said, Expanded, Units, Riddle}, []Answered{Ring, Say, Write, Lay, Draw, InUnits, InParts, HowMany, Pick, Match},
		usually([2]string{"crowd", "ring"}, [2]string{"drawn", "write"}, [2]string{"numeral", "draw"}), nil, Asked{43, Drawn, Write, 0},
	},
}

func stageOf(id choose.StageID) (stage, bool) {
	i := slices.IndexFunc(stages, func(s stage) bool { return s.id == id })
	if i < 0 {
		return stage{}, false
	}
	return stages[i], true
}

// Stages returns the stages of tens in teaching order.
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

// Within tells whether the stage has numbers below a limit; a limit of 0 is none.
func Within(id choose.StageID, limit place.Number) bool {
	s, known := stageOf(id)
	return known && (limit == 0 || s.numbers[0] < limit)
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
	case id == OneByOne && a.Shown == Sticks:
		return true
	case id == CountingOn && a.Shown == Covered:
		return true // also beyond twenty
	}
	return slices.Contains(s.numbers, a.Number) && slices.Contains(s.shown, a.Shown) && slices.Contains(s.answered, a.Answered)
}

// StageOf returns the stage that a number belongs to that was typed; none from 100 on.
func StageOf(a Asked) choose.StageID {
	n := a.Number
	switch {
	case a.Valid() != nil || n >= Most:
		return ""
	case a.Shown == Sticks:
		return OneByOne
	case a.Shown == Covered:
		return CountingOn
	case n <= 10 && (a.Shown == Frames || a.Answered == ToTen || a.Answered == Fill):
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
