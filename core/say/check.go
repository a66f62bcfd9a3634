package say

import (
	"fmt"

	"vineswap/core/piece"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/swap"
	"vineswap/core/task"
	"vineswap/core/trace"
)

// about asks for the estimate.
var about = map[task.Kind]string{
	problem.Sum: "About how much will it be?", problem.Trays: "About how much will it be?", problem.Difference: "About how much will be left?",
	problem.Sharing: "About how much will each have?", problem.Grouping: "About how many groups will there be?",
}

// sentence is the answer's sentence, open where its unit goes.
func (w Words) sentence(t swap.Trace) string {
	n, are := w.Numeral(t.Answer), "are"
	if t.Answer == 0 {
		n = "no"
	}
	if t.Answer == 1 {
		are = "is"
	}
	switch t.Problem.Kind {
	case problem.Difference:
		return fmt.Sprintf("%s … %s left.", capital(n), are)
	case problem.Sharing:
		if t.Remainder > 0 {
			return fmt.Sprintf("Each gets %s …%s.", n, w.leftOver(t.Remainder))
		}
		return fmt.Sprintf("Each gets %s ….", n)
	case problem.Grouping:
		return fmt.Sprintf("There %s %s … in %s%s.", are, groups(t.Answer, t.Problem.Numbers[1]), w.Numeral(t.Problem.Numbers[0]), w.leftOver(t.Remainder))
	}
	return fmt.Sprintf("Together there %s %s ….", are, n)
}

// checkLine is what belongs to a step of the check.
func (w Words) checkLine(t swap.Trace, s trace.Step) Line {
	switch s.Kind {
	case swap.CountPieces:
		return Line{"Count the pieces", []Span{plain("%s", w.pieceCount(t, s.Count))}}
	case swap.OtherWay:
		return Line{"Check another way", []Span{plain("%s", w.otherWay(t))}}
	case swap.Match:
		if len(s.Cards) == 0 {
			return Line{"Compare the shares", []Span{plain("Nobody has anything, and that is the same for all.")}}
		}
		return Line{"Lay the sharers' cards", []Span{plain("Each lays small cards. They must all read %s.", w.Numeral(t.Answer))}}
	case swap.PutBack:
		return Line{"Put everything together again", []Span{plain("%s: %s.", putBack(t, w), w.lying(s.Zones.In(swap.Start)))}}
	case swap.SwapUp:
		return Line{
			fmt.Sprintf("%s %s", capital(w.forms().do), w.Count(s.Count/10, s.To)),
			w.swappedUp(s),
		}
	}
	return Line{"Compare", []Span{plain("%s lies here again, so %s is right.", w.Numeral(t.Problem.Numbers[0]), w.result(t))}}
}

// swappedUp says a swap up of the check; of zeros that were gone over as one, the
// nines too.
func (w Words) swappedUp(s trace.Step) []Span {
	var spans []Span
	for p := s.To - 1; p > s.From; p-- {
		spans = append(spans, w.strong(9*s.Count/10, p, len(spans) == 0), plain(", "))
	}
	if len(spans) > 0 {
		spans[len(spans)-1] = plain(" and ")
	}
	spans = append(spans, w.strong(s.Count, s.From, len(spans) == 0))
	return append(spans, plain(" %s ", w.forms().they), w.strong(s.Count/10, s.To, false), plain("."))
}

// result is the answer with its remainder: "24 remainder 1".
func (w Words) result(t swap.Trace) string {
	if t.Remainder > 0 {
		return fmt.Sprintf("%s remainder %d", w.Numeral(t.Answer), t.Remainder)
	}
	return w.Numeral(t.Answer)
}

func putBack(t swap.Trace, w Words) string {
	switch {
	case t.Problem.Kind == problem.Difference && t.Problem.Numbers[1] == 0:
		return "Nothing was taken away"
	case t.Problem.Kind == problem.Difference:
		return w.Numeral(t.Problem.Numbers[1]) + " is put back"
	}
	all := map[task.Kind]string{problem.Grouping: "All the groups", problem.Sharing: "All the shares"}[t.Problem.Kind]
	if t.Remainder > 0 {
		all += " and the remainder"
	}
	return all + " are put together again"
}

// lying says what lies in a holding, the highest place first; what is empty is
// not said.
func (w Words) lying(h piece.Holding) string {
	var parts []string
	for p := place.Millions; p >= place.Ones; p-- {
		if h.At(p) > 0 {
			parts = append(parts, w.Count(h.At(p), p))
		}
	}
	if len(parts) == 0 {
		return "nothing lies here"
	}
	return list(parts)
}

// otherWay joins in another way: a number that was joined is taken back, three
// and more are joined from the last, and equal trays are counted in steps.
func (w Words) otherWay(t swap.Trace) string {
	addends := t.Problem.Addends()
	if t.Problem.Kind == problem.Trays {
		steps := make([]place.Number, len(addends))
		for i := range steps {
			steps[i] = addends[0] * place.Number(i+1)
		}
		return fmt.Sprintf("Count in steps of %s: %s.", w.Numeral(addends[0]), w.numbers(steps))
	}
	if len(addends) == problem.FewestAddends {
		return fmt.Sprintf("Take %s away from %s again: %s must be left.", w.Numeral(addends[1]), w.Numeral(t.Answer), w.Numeral(addends[0]))
	}
	turned := make([]place.Number, len(addends))
	for i, n := range addends {
		turned[len(addends)-1-i] = n
	}
	return fmt.Sprintf("Join them from the last to the first, %s: they must make %s again.", w.numbers(turned), w.Numeral(t.Answer))
}

// pieceCount tells by the number of pieces whether the work is right: each swap
// up leaves nine fewer, each swap down brings nine more.
func (w Words) pieceCount(t swap.Trace, lie int) string {
	nines := 0
	for _, s := range t.Swaps {
		nines += 9 * (1 + s.Zeros)
	}
	laid := t.Problem.Addends()
	did, change := "joined", "leave %d fewer"
	if t.Problem.Kind == problem.Difference {
		laid, did, change = t.Problem.Numbers[:1], "laid", "bring %d more"
	}
	columns := 0
	for _, c := range t.Columns {
		columns += min(c.Out, 1)
	}
	if len(t.Swaps) == 1 || w.Swap == Carry && columns == 1 && did == "joined" {
		change = map[string]string{"joined": "leaves %d fewer", "laid": "brings %d more"}[did]
	}
	pieces := 0
	for _, n := range laid {
		pieces += n.DigitSum()
	}
	text := fmt.Sprintf("%s %s.", capital(morePieces(pieces, "was", "were")), did)
	if len(t.Swaps) > 0 {
		text += fmt.Sprintf(" %s "+change+".", capital(w.SwapsOf(t)), nines)
	}
	if t.Problem.Kind == problem.Difference {
		text += fmt.Sprintf(" %s taken away.", capital(morePieces(t.Problem.Numbers[1].DigitSum(), "was", "were")))
	}
	return fmt.Sprintf("%s So %s here now.", text, morePieces(lie, "must lie", "must lie"))
}

// morePieces counts pieces of any kind, with their verb: "one piece was", "no pieces
// were", "18 pieces were".
func morePieces(n int, one, many string) string {
	switch n {
	case 0:
		return "no pieces " + many
	case 1:
		return "one piece " + one
	}
	return fmt.Sprintf("%d pieces %s", n, many)
}
