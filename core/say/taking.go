package say

import (
	"fmt"

	"vineswap/core/place"
	"vineswap/core/swap"
	"vineswap/core/trace"
)

// takingLine is what belongs to a step of taking away.
func (w Words) takingLine(t swap.Trace, s trace.Step) Line {
	larger, smaller := t.Problem.Numbers[0], t.Problem.Numbers[1]
	switch s.Kind {
	case swap.SetOut:
		if w.Drawn {
			return Line{"Take a sheet", []Span{plain("Room for the larger number. The smaller number is shown with cards only.")}}
		}
		return Line{"Lay out", []Span{plain("One tray for the larger number. The smaller number is shown with cards only.")}}
	case swap.Build:
		return Line{w.build(larger), w.built(larger)}
	case swap.Label:
		if s.Tray == 1 {
			return w.largeCards(larger)
		}
		if smaller == 0 {
			return Line{"Lay no cards", []Span{plain("Nothing is to be taken away.")}}
		}
		return Line{fmt.Sprintf("Lay the cards of %s", w.Numeral(smaller)), []Span{plain("The small cards show what is to be taken away: %s.", w.Numeral(smaller))}}
	case swap.Look:
		return Line{"Look at the " + w.PlaceMany(s.At.Place), w.looked(t, s)}
	case swap.SwapDown:
		return w.swappedDown(t, s)
	case swap.TakeAway:
		return w.takenAway(t, s)
	case swap.Write:
		return w.left(t, s)
	case swap.Slide:
		return Line{"Slide the cards together", []Span{w.slid(s.Cards, t.Answer)}}
	case swap.ReadOut:
		return Line{"Read the number", []Span{plain("%s.", capital(w.Number(t.Answer)))}}
	}
	return Line{"Say it back", []Span{plain("%s was taken from %s. That leaves %s.", w.Numeral(smaller), w.Numeral(larger), w.Numeral(t.Answer))}}
}

// largeCards labels the number that is taken from, or shared out.
func (w Words) largeCards(n place.Number) Line {
	const do = "Label the tray"
	if n == 0 {
		return Line{do, []Span{plain("Nothing lies here, so no card is needed.")}}
	}
	return Line{do, []Span{plain("The large cards read %s.", w.Numeral(n))}}
}

// isAre is the verb that goes with a count.
func isAre(n int) string {
	if n == 1 {
		return "is"
	}
	return "are"
}

// Came says what one column of a difference does: "12 ones: ten came from one
// ten, 4 stay."
func (w Words) Came(c place.Column) string {
	next, _ := c.Place.Next()
	stays := "nothing stays"
	if c.Stays > 0 {
		stays = fmt.Sprintf("%d left", c.Stays)
	}
	return fmt.Sprintf("%d %s: %s %s ten %s, %s.", c.Count, w.PlaceMany(c.Place), w.Count(1, next), w.forms().it, w.PlaceMany(c.Place), stays)
}

// looked says whether there is enough in a place.
func (w Words) looked(t swap.Trace, s trace.Step) []Span {
	c := t.Columns[s.At.Place]
	here := w.strongDigit(s.Count, c.Place, true)
	switch {
	case c.Lower() == 0:
		return []Span{here, plain(". Nothing is taken from here.")}
	case s.Count < c.Lower():
		return []Span{here, plain(", and %s to take: not enough.", w.digit(c.Lower(), c.Place))}
	}
	return []Span{here, plain(", and %s to take: enough.", w.digit(c.Lower(), c.Place))}
}

// swappedDown says a swap down; over zeros as one it says all that comes.
func (w Words) swappedDown(t swap.Trace, s trace.Step) Line {
	w = w.For(t.Problem.Kind)
	spans := []Span{w.strong(1, s.From, true), plain(" %s ", w.forms().it)}
	for p := s.From - 1; p > s.To; p-- {
		spans = append(spans, w.strong(9, p, false), plain(", "))
	}
	if s.From-s.To > 1 {
		spans[len(spans)-1] = plain(" and ")
	}
	spans = append(spans, w.strong(10, s.To, false), plain("."))
	return Line{fmt.Sprintf("%s ten %s", capital(w.forms().do), w.pieces(s.To)), spans}
}

func (w Words) takenAway(t swap.Trace, s trace.Step) Line {
	p := s.At.Place
	return Line{
		fmt.Sprintf(w.laidOrDrawn("Take %s away", "Cross %s out"), w.digit(s.Count, p)),
		[]Span{w.strongDigit(s.Count, p, true), plain(" %s taken from %s.", isAre(s.Count), w.digit(t.Columns[p].Count, p))},
	}
}

// left says what stays in a place; the places above the answer stay unwritten.
func (w Words) left(t swap.Trace, s trace.Step) Line {
	p := s.At.Place
	switch {
	case s.Count > 0:
		return Line{fmt.Sprintf("Lay the card %s", w.Numeral(s.Cards[0])), []Span{plain("%s: the card %s.", capital(w.lies(s.Count, isAre(s.Count)+" left", p)), w.Numeral(s.Cards[0]))}}
	case t.Answer.Has(p):
		return Line{"Write 0", []Span{plain("No %s are left, so no card is laid and 0 is written.", w.pieces(p))}}
	}
	return Line{"Leave it open", []Span{plain("No %s are left, and nothing is written in front of the number.", w.pieces(p))}}
}
