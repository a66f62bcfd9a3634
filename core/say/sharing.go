package say

import (
	"fmt"

	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/swap"
	"vineswap/core/trace"
)

// sharingLine is what belongs to a step of sharing or grouping.
func (w Words) sharingLine(t swap.Trace, s trace.Step) Line {
	number, by := t.Problem.Numbers[0], t.Problem.Numbers[1]
	grouping := t.Problem.Kind == problem.Grouping
	switch s.Kind {
	case swap.SetOut:
		if w.Drawn {
			return Line{"Take a sheet", []Span{plain("Room for the number and for %s.", map[bool]string{true: "its groups", false: by.Words(false) + " shares"}[grouping])}}
		}
		if grouping {
			return Line{"Lay out", []Span{plain("One tray for the number, and room for groups of %s.", by.Words(false))}}
		}
		return Line{"Lay out", []Span{plain("%s trays: one for the number and one for each share.", capital((by + 1).Words(false)))}}
	case swap.Build:
		return Line{w.build(number), w.built(number)}
	case swap.Label:
		return w.largeCards(number)
	case swap.Look:
		return Line{"Look at the " + w.PlaceMany(s.At.Place), w.toDeal(t, s)}
	case swap.Deal:
		return w.dealt(s)
	case swap.SwapDown:
		return w.swappedDown(t, s)
	case swap.TakeGroup:
		return Line{fmt.Sprintf("Take %s off", w.Count(s.Count, place.Ones)), []Span{plain("%s: group %d.", capital(w.Count(s.Count, place.Ones)), s.Ten)}}
	case swap.Leave:
		return Line{"Lay the remainder aside", []Span{plain("%s cannot be %s: %s the remainder.", capital(w.Count(s.Count, place.Ones)), map[bool]string{true: "made into a group", false: "shared"}[grouping], map[bool]string{true: "it is", false: "they are"}[s.Count == 1])}}
	case swap.Write:
		return w.shared(t, s)
	case swap.Slide:
		if grouping {
			return Line{"Count the groups", []Span{plain("%s.", capital(groups(t.Answer, by)))}}
		}
		return Line{"Slide the cards together", []Span{w.slid(s.Cards, t.Answer)}}
	case swap.ReadOut:
		return Line{"Read the number", []Span{plain("%s%s.", capital(w.Number(t.Answer)), w.remainder(t.Remainder))}}
	}
	if grouping {
		return Line{"Say it back", []Span{plain("In %s %s %s%s.", w.Numeral(number), thereAre(t.Answer), groups(t.Answer, by), w.leftOver(t.Remainder))}}
	}
	return Line{"Say it back", []Span{plain("%s was shared among %s. Each has %s%s.", w.Numeral(number), by.Words(false), w.Numeral(t.Answer), w.leftOver(t.Remainder))}}
}

// groups counts groups of a size: "one group of six", "13 groups of six".
func groups(n, size place.Number) string {
	switch n {
	case 0:
		return fmt.Sprintf("no groups of %s", size.Words(false))
	case 1:
		return fmt.Sprintf("one group of %s", size.Words(false))
	}
	return fmt.Sprintf("%d groups of %s", n, size.Words(false))
}

// leftOver says a remainder at the end of a sentence: ", and one is left over";
// nothing for none.
func (w Words) leftOver(n place.Number) string {
	if n == 0 {
		return ""
	}
	return fmt.Sprintf(", and %s %s left over", w.Number(n), isAre(int(n)))
}

// remainder reads it out with the answer: ", remainder one".
func (w Words) remainder(n place.Number) string {
	if n == 0 {
		return ""
	}
	return ", remainder " + w.Number(n)
}

func thereAre(n place.Number) string { return "there " + isAre(int(n)) }

// toDeal says what lies in a place, and whether it goes round.
func (w Words) toDeal(t swap.Trace, s trace.Step) []Span {
	here := w.strong(s.Count, s.At.Place, true)
	by := int(t.Problem.Numbers[1])
	switch {
	case s.Count == 0 && t.Problem.Numbers[0] > 0 && t.Problem.Numbers[0].Digit(s.At.Place) == 0 && w.Digits != FaceValue:
		return []Span{plain("There are "), w.strong(0, s.At.Place, false), plain(" in %s, so nothing is shared out here.", w.Numeral(t.Problem.Numbers[0]))}
	case s.Count == 0:
		return []Span{here, plain(", so nothing is shared out here.")}
	case s.Count < by:
		return []Span{here, plain(" for %s: not enough for one each.", place.Number(by).Words(false))}
	}
	return []Span{here, plain(" for %s.", place.Number(by).Words(false))}
}

func (w Words) dealt(s trace.Step) Line {
	return Line{"Share them out", []Span{plain("Each gets "), w.strong(s.Count, s.At.Place, false), plain(".")}}
}

// shared says what one sharer has in a place, and what cannot be dealt there.
func (w Words) shared(t swap.Trace, s trace.Step) Line {
	p := s.At.Place
	var c place.Column
	for _, x := range t.Columns {
		if x.Place == p {
			c = x
		}
	}
	left := ""
	if c.Out > 0 && p > place.Ones {
		left = fmt.Sprintf(" %s cannot be shared.", capital(w.Count(c.Out, p)))
	}
	switch {
	case s.Count > 0:
		return Line{fmt.Sprintf("Lay the card %s", w.Numeral(s.Cards[0])), []Span{plain("Each tray gets the card %s.%s", w.Numeral(s.Cards[0]), left)}}
	case p == place.Ones || t.Answer >= place.Number(p.Unit()):
		return Line{"Write 0", []Span{plain("Nobody gets any %s, so no card is laid and 0 is written.%s", w.pieces(p), left)}}
	}
	return Line{"Leave it open", []Span{plain("Nobody gets any %s, and nothing is written in front of the number.%s", w.pieces(p), left)}}
}
