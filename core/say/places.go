package say

import (
	"fmt"
	"slices"
	"strings"

	"vineswap/core/number"
	"vineswap/core/piece"
	"vineswap/core/place"
	"vineswap/core/rename"
	"vineswap/core/trace"
)

// pilesOf says what lies of each place, the highest first: "two tens fourteen ones". Beside
// a hundred tens and more a comma tells what is said of which.
func (w Words) pilesOf(h piece.Holding) string {
	between := " "
	if !rename.Fits(h) {
		between = ", "
	}
	return strings.Join(w.piles(h, func(p place.Place) string { return w.Count(h.At(p), p) }), between)
}

// inFigures writes what lies of each place, the highest first: "2 tens 14 ones".
func (w Words) inFigures(h piece.Holding) string {
	return strings.Join(w.piles(h, func(p place.Place) string {
		if h.At(p) == 1 {
			return "1 " + w.piece(p)
		}
		return fmt.Sprint(h.At(p), " ", w.pieces(p))
	}), " ")
}

// piles says what lies of each place in which something does, each as it is said.
func (w Words) piles(h piece.Holding, said func(place.Place) string) []string {
	var list []string
	for p := place.Thousands; p >= place.Ones; p-- {
		if h.At(p) > 0 {
			list = append(list, said(p))
		}
	}
	return list
}

// blank asks how many of one place there are beside the others: "two tens and how many
// ones".
func (w Words) blank(a number.Asked) string {
	h := a.Holding()
	return list(w.piles(h, func(p place.Place) string {
		if p == a.Blank() {
			return "how many " + w.pieces(p)
		}
		return w.Count(h.At(p), p)
	}))
}

// givenSeveral are several numbers as they are shown in words or figures.
func (w Words) givenSeveral(a number.Asked) string {
	var each []string
	for _, n := range a.Numbers() {
		switch a.Shown {
		case number.Word, number.Said:
			each = append(each, w.Number(n))
		case number.Expanded:
			each = append(each, "("+strings.Join(w.numerals(n.Expanded()), " + ")+")")
		case number.Units:
			each = append(each, w.UnitsOf(n))
		case number.Numeral:
			each = append(each, w.Numeral(n))
		}
	}
	switch {
	case len(each) == 0:
		return ""
	case a.Answered == number.Join && a.Shown == number.Expanded:
		return strings.Join(each, " + ")
	case len(each) == 2:
		return strings.Join(each, " and ")
	}
	return strings.Join(each, ", ")
}

// AnswerKey is an answer that is one touch: as it is kept, as it is called, and its key.
type AnswerKey struct{ Given, Name, Key string }

// Keys are what a number is answered with where it is not answered in figures.
func (w Words) Keys(a number.Asked) []AnswerKey {
	var keys []AnswerKey
	for _, answer := range a.Choices() {
		given := a.Write(answer)
		k := AnswerKey{given, given, given}
		switch {
		case a.Answered == number.Decides:
			k.Name, k.Key = w.PlaceMany(answer[0].Top()), ""
		case w.Signs == InWords:
			k.Name = map[string]string{"<": "is less than", ">": "is more than"}[given]
		}
		keys = append(keys, k)
	}
	return keys
}

// renamed is a swap up or down of a number that is laid in another way.
func (l numberTable) renamed(s trace.Step) told {
	lies := s.Zones.In(number.Tray)
	now := ""
	if lies != (piece.Holding{}) {
		now = ": " + l.pilesOf(lies)
	}
	words := l.Words
	of, to, they := s.Count, s.Count/10, l.forms().they
	if s.Kind == number.SwapDown {
		words = l.down()
		to = 10 * s.Count
		if they = words.forms().it; s.Count > 1 {
			they = words.forms().they
		}
	}
	one, other := l.Count(of, s.From), l.Count(to, s.To)
	ask := "What do " + one + " make?"
	if of == 1 {
		ask = "What does " + one + " make?"
	}
	return told{
		fmt.Sprintf("%s %s", capital(words.forms().verb), one),
		[]Span{l.tell(capital(one), s.From), plain(" %s ", they), l.tell(other, s.To), plain("%s.", now)},
		ask,
	}
}

// answerOfPlaces says back a number that was renamed, numbers that were compared, and what
// two are together; false for another question.
func (l numberTable) answerOfPlaces() (said []Span, own bool) {
	a, n := l.Asked, l.Asked.Number
	all := a.Numbers()
	p, inAll := a.InAll()
	switch {
	case a.Answered == number.Rename || a.Shown == number.Renamed || a.Shown == number.Unswapped:
		return []Span{plain("%s are as much as %s.", capital(l.pilesOf(a.Holding())), l.Numeral(n))}, true
	case inAll && n >= 100:
		in := place.Number(int(n) / p.Unit())
		return []Span{plain("%s has ", l.Numeral(n)), l.tell(l.Count(int(in), p), p), plain(" in all. In its %s place stands %d.", p, n.Digit(p))}, true
	case a.Answered == number.Join:
		return []Span{plain("%s and %s are %s: %s.", capital(l.Number(n)), l.Number(all[1]), l.Number(a.Said()), l.Numeral(a.Said()))}, true
	case a.Answered == number.Sign, a.Answered == number.Decides:
		p := number.Deciding(all[0], all[1])
		return []Span{plain("%s. The ", l.compared(l.Numeral(all[0]), l.Numeral(all[1]), all[0] < all[1])), l.tell(l.PlaceMany(p), p), plain(" decide.")}, true
	case a.Answered == number.Order:
		return []Span{plain("%s.", l.inOrder())}, true
	}
	return nil, false
}

// inOrder writes the numbers in order, the smallest first.
func (l numberTable) inOrder() string {
	all := l.Asked.Numbers()
	slices.Sort(all)
	if l.Signs == InWords {
		return list(l.numerals(all))
	}
	return strings.Join(l.numerals(all), " < ")
}

// compares looks at one place of all numbers, or lays them in order.
func (l numberTable) compares(s trace.Step) told {
	if s.Kind == number.InOrder {
		return told{"Put them in order", []Span{plain("%s.", capital(l.inOrder()))}, "Which comes first?"}
	}
	all := l.Asked.Numbers()
	var each []string
	for _, n := range all {
		each = append(each, l.Numeral(place.Number(n.Digit(s.To))))
	}
	says := []Span{l.tell(capital(l.PlaceMany(s.To)), s.To), plain(": %s. ", list(each))}
	switch {
	case s.Count == len(all) && len(all) == 2:
		says = append(says, plain("They are not the same: the %s decide.", l.PlaceMany(s.To)))
	case s.Count == len(all):
		says = append(says, plain("Now each one has its place."))
	case s.Count == 1:
		says = append(says, plain("The same: look at the %s.", l.PlaceMany(s.To-1)))
	default:
		says = append(says, plain("Some are alike so far: look at the %s.", l.PlaceMany(s.To-1)))
	}
	return told{"Compare the " + l.PlaceMany(s.To), says, "How many " + l.PlaceMany(s.To) + " has each?"}
}

// joins adds the parts of one place, or makes one more of the next of ten.
func (l numberTable) joins(s trace.Step) told {
	units := l.Asked.Shown == number.Units
	worth := func(n int, p place.Place) string {
		if units {
			return l.Count(n, p)
		}
		return l.Numeral(place.Number(n * p.Unit()))
	}
	if s.Kind == number.CarryUp {
		rest := ""
		if s.Count > 10 {
			rest = " and " + worth(s.Count-10, s.From)
		}
		now := strings.Join(l.numerals(s.Cards), " + ")
		if units {
			now = l.partsInUnits(l.Asked.CarriedTo(s.To))
		}
		return told{"Make one " + l.PlaceOne(s.To) + " more", []Span{
			plain("%s: ", capital(worth(s.Count, s.From))), l.tell("one "+l.PlaceOne(s.To), s.To), plain("%s. Now %s.", rest, now),
		}, "What do ten " + l.PlaceMany(s.From) + " make?"}
	}
	var each []string
	for _, n := range l.Asked.Numbers() {
		if d := n.Digit(s.To); d > 0 {
			each = append(each, worth(d, s.To))
		}
	}
	sum := l.tell(worth(s.Count, s.To), s.To)
	do := "Add the " + l.PlaceMany(s.To)
	ask := "How much are the " + l.PlaceMany(s.To) + " together?"
	switch {
	case len(each) == 0:
		return told{do, []Span{plain("Nothing in the %s.", l.PlaceMany(s.To))}, ask}
	case len(each) == 1:
		return told{do, []Span{l.tell(capital(sum.Text), s.To), plain(": nothing is added to it.")}, ask}
	case units:
		return told{do, []Span{plain("%s and %s: ", capital(each[0]), each[1]), sum, plain(".")}, ask}
	}
	return told{do, []Span{plain("%s + %s = ", each[0], each[1]), sum, plain(".")}, ask}
}

// partsInUnits says how much there is of each place, the ones first in sums: "six tens
// twelve ones".
func (w Words) partsInUnits(sums []int) string {
	var said []string
	for p, n := range slices.Backward(sums) {
		if n > 0 {
			said = append(said, w.Count(n, place.Place(p)))
		}
	}
	return strings.Join(said, " ")
}

// SwapsAway says how far a way of laying a number lies from the usual one, as on its button.
func (w Words) SwapsAway(s number.Swaps) string {
	switch s {
	case number.OneSwap:
		return w.down().Swaps(1)
	case number.TwoSwaps:
		return w.down().Swaps(2)
	}
	return "more"
}

// Many says how many numbers are compared, as on its button.
func Many(n int) string { return place.Number(n).Words(false) }

// Differs says where numbers differ first, as on its button.
func (w Words) Differs(d number.Differ) string {
	if d == number.ByLength {
		return "how many digits"
	}
	p, _ := place.Parse(string(d))
	return w.PlaceMany(p)
}

// Fetched says whether a tray is as the number asks, and otherwise what is to be looked at:
// what is missing, too much or in the wrong place.
func (w Words) Fetched(n place.Number, tray piece.Holding) string {
	faults := number.Fetched(n, tray)
	if len(faults) == 0 {
		if n == 0 {
			return "Right: nothing lies there. That is zero."
		}
		return fmt.Sprintf("Right: %s. That is %s.", w.pilesOf(tray), w.Numeral(n))
	}
	var says []string
	for _, f := range faults {
		switch f.Kind {
		case number.NothingThere:
			says = append(says, "Nothing lies on the tray yet.")
		case number.TurnedRound:
			says = append(says, fmt.Sprintf("The figures are there, but in other places: the tray has %s, that is %s.", w.pilesOf(tray), w.Numeral(place.Number(tray.Value()))))
		case number.OtherWay:
			says = append(says, fmt.Sprintf("It is as much as %s, laid in another way: %s. What can be %s?", w.Numeral(n), w.pilesOf(tray), w.forms().done))
		case number.WrongPlace:
			says = append(says, fmt.Sprintf("%s too many in the %s, and %s missing in the %s. %s", capital(w.few(f.Count)), w.PlaceMany(f.Place), w.few(f.Count), w.PlaceMany(f.To), map[bool]string{true: "Does it belong there?", false: "Do they belong there?"}[f.Count == 1]))
		case number.MissingThere:
			says = append(says, fmt.Sprintf("%s missing in the %s.", capital(w.few(f.Count)), w.PlaceMany(f.Place)))
		case number.TooMany:
			says = append(says, fmt.Sprintf("%s too many in the %s.", capital(w.few(f.Count)), w.PlaceMany(f.Place)))
		}
	}
	return strings.Join(says, " ")
}

func (w Words) few(n int) string { return w.Number(place.Number(n)) }
