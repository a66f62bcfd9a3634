package say

import (
	"fmt"
	"strings"

	"vineswap/core/choose"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/task"
)

// numbersWith names the numbers in which a zero is looked for.
func numbersWith(of task.Kind) string {
	switch of {
	case problem.Difference:
		return "the larger number"
	case problem.Sharing, problem.Trays:
		return "the number"
	}
	return "the numbers"
}

// parts are what a wish asks for, and what it will not have, as things that can
// be listed after "with".
func (w Words) parts(of task.Kind, wish choose.Wish) (yes, no string) {
	w = w.For(of)
	many, f := w.PlaceMany(wish.Place), w.forms()
	switch wish.Kind {
	case choose.Knot:
		if of == problem.Sharing && wish.Place == place.Ones {
			return "a remainder", "no remainder"
		}
		return fmt.Sprintf("%s in the %s", f.with, many), fmt.Sprintf("no %s in the %s", f.noun, many)
	case choose.ByBelow:
		return fmt.Sprintf("%s in the %s only because of the place below", f.with, many), fmt.Sprintf("no %s in the %s only because of the place below", f.noun, many)
	case choose.AtOnce:
		return w.atOnce(2, many), fmt.Sprintf("no more than %s in the %s", w.ofColumn(1), many)
	case choose.ToNothing:
		return fmt.Sprintf("nothing left in the %s after %s", many, f.with), fmt.Sprintf("something left in the %s after %s", many, f.with)
	case choose.ZeroHere:
		return fmt.Sprintf("a zero in the %s", many), fmt.Sprintf("no zero in the %s", many)
	case choose.Zero:
		return "a zero in " + numbersWith(of), "no zero in " + numbersWith(of)
	case choose.Crossing:
		return f.with + " over a zero", "no " + f.noun + " over a zero"
	case choose.InARow:
		return f.with + " over two zeros or more in a row", "at most one zero to go over"
	case choose.Remainder:
		return "a remainder", "no remainder"
	case choose.Tens:
		if of == problem.Difference {
			return fmt.Sprintf("exactly ten %s to take from", w.PlaceMany(place.Ones)), fmt.Sprintf("never exactly ten %s to take from", w.PlaceMany(place.Ones))
		}
		return fmt.Sprintf("a pair in the %s that makes ten", w.PlaceMany(place.Ones)), fmt.Sprintf("no pair in the %s that makes ten", w.PlaceMany(place.Ones))
	case choose.Twins:
		return fmt.Sprintf("a double in the %s", w.PlaceMany(place.Ones)), fmt.Sprintf("no double in the %s", w.PlaceMany(place.Ones))
	}
	return "", ""
}

// atOnce says that one column gives up so many at once: "two swaps in the ones", "a
// carry of two in the ones".
func (w Words) atOnce(n int, many string) string {
	return fmt.Sprintf("%s or more in the %s", w.ofColumn(n), many)
}

// exactly says how many one column gives up: "exactly two swaps in the ones", "a carry
// of exactly two in the ones".
func (w Words) exactly(n int, many string) string {
	if w.Swap == Carry {
		return fmt.Sprintf("a carry of exactly %s in the %s", counted(n), many)
	}
	return fmt.Sprintf("exactly %s in the %s", w.Swaps(n), many)
}

var factNames = map[choose.Facts]string{
	choose.AllFacts: "all facts", choose.UpToTen: "only facts up to ten", choose.TwinFacts: "only doubles", choose.Bonds: "only number bonds of ten",
}

// Wish says one wish of a choice, as something that is asked for: "a swap in the
// ones", "no zero in the numbers".
func (w Words) Wish(of task.Kind, wish choose.Wish) string {
	switch wish.Kind {
	case choose.Belongs:
		return fmt.Sprintf("the stage “%s”", w.Stage(wish.Stage))
	case choose.Within:
		return fmt.Sprintf("no number above %d, which pieces can show", place.MostWithPieces)
	case choose.Limited:
		return factNames[wish.Facts]
	case choose.Sharers:
		if of == problem.Trays {
			return fmt.Sprintf("%s groups", place.Number(wish.Most).Words(false))
		}
		return fmt.Sprintf("%s to share among", place.Number(wish.Most).Words(false))
	case choose.Given:
		return w.For(of).exactly(wish.Most, w.PlaceMany(wish.Place))
	case choose.UpTo:
		return "numbers up to " + w.Numeral(place.Number(wish.Most))
	case choose.Shelf:
		return fmt.Sprintf("at most %d %s on the shelf", wish.Most, w.PlaceMany(wish.Place))
	}
	yes, no := w.parts(of, wish)
	if wish.Want == choose.Yes {
		return yes
	}
	return no
}

// Mend says what would leave problems that fit: "Leave the ones open", "Do without: a
// zero in the numbers and a double in the ones".
func (w Words) Mend(of task.Kind, m choose.Mend) string {
	if m.Digits != nil {
		return "Use " + w.numbersOf(of, m.Digits, 0)
	}
	if len(m.Wishes) > 1 {
		said := make([]string, len(m.Wishes))
		for i, wish := range m.Wishes {
			said[i] = w.Wish(of, wish)
		}
		return "Do without: " + list(said)
	}
	wish := m.Wishes[0]
	switch {
	case m.Turned:
		turned := wish
		turned.Want = choose.Yes + choose.No - turned.Want
		return capital(w.Wish(of, turned))
	case wish.Kind == choose.Knot:
		return fmt.Sprintf("Leave the %s open", w.PlaceMany(wish.Place))
	case wish.Kind == choose.Belongs:
		return fmt.Sprintf("Leave the stage “%s”", w.Stage(wish.Stage))
	case wish.Kind == choose.Zero || wish.Kind == choose.ZeroHere:
		return "Allow a zero or none"
	}
	return "Do without: " + w.Wish(of, wish)
}

// Clash says why nothing fits: wishes that cannot be together. One of them that
// asks for a swap or none is what the others forbid.
func (w Words) Clash(of task.Kind, wishes []choose.Wish) string {
	if len(wishes) == 1 {
		return fmt.Sprintf("No numbers of these lengths have %s.", w.Wish(of, wishes[0]))
	}
	for i := len(wishes) - 1; i >= 0; i-- {
		if wish := wishes[i]; wish.Kind == choose.Knot {
			var others []string
			for j, other := range wishes {
				if j != i {
					others = append(others, w.Wish(of, other))
				}
			}
			return fmt.Sprintf("No numbers fit: there cannot be %s together with %s.", w.Wish(of, wish), list(others))
		}
	}
	said := make([]string, len(wishes))
	for i, wish := range wishes {
		said[i] = w.Wish(of, wish)
	}
	return fmt.Sprintf("No numbers fit. These do not go together: %s.", list(said))
}

// Choice reads a choice as one sentence: "One swap, ones: two numbers of two
// digits, with no zero in the numbers."
func (w Words) Choice(c choose.Choice) string {
	of := c.Kind
	var with []string
	stage, by, upTo := "", 0, ""
	for _, wish := range c.Wishes() {
		switch wish.Kind {
		case choose.Within:
		case choose.Belongs:
			stage = capital(w.Stage(wish.Stage)) + ": "
		case choose.Sharers:
			by = wish.Most
		case choose.UpTo:
			upTo = ", up to " + w.Numeral(place.Number(wish.Most))
		default:
			with = append(with, w.Wish(of, wish))
		}
	}
	said := stage + w.numbersOf(of, c.Digits, by) + upTo
	if len(with) > 0 {
		said += ", with " + list(with)
	}
	return capital(said) + "."
}

// numbersOf says how long the numbers of a choice are.
func (w Words) numbersOf(of task.Kind, digits []int, by int) string {
	others := "two to nine"
	if by > 0 {
		others = place.Number(by).Words(false)
	}
	switch of {
	case problem.Difference:
		return fmt.Sprintf("a number of %s, take away one of %s", digitsOf(digits[0]), digitsOf(digits[1]))
	case problem.Sharing:
		return fmt.Sprintf("a number of %s shared among %s", digitsOf(digits[0]), others)
	case problem.Trays:
		return fmt.Sprintf("%s equal groups of a number of %s", others, digitsOf(digits[0]))
	}
	for _, d := range digits {
		if d != digits[0] {
			each := make([]string, len(digits))
			for i, d := range digits {
				each[i] = place.Number(d).Words(false)
			}
			return fmt.Sprintf("%s numbers of %s digits", place.Number(len(digits)).Words(false), list(each))
		}
	}
	return fmt.Sprintf("%s numbers of %s", place.Number(len(digits)).Words(false), digitsOf(digits[0]))
}

func digitsOf(n int) string {
	if n == 1 {
		return "one digit"
	}
	return place.Number(n).Words(false) + " digits"
}

// WishName heads a wish that can be asked for besides the knots, for a place where
// it is of one.
func (w Words) WishName(of task.Kind, kind choose.WishKind, p place.Place) string {
	w = w.For(of)
	switch kind {
	case choose.ByBelow:
		return fmt.Sprintf("Why there is %s", w.ASwap())
	case choose.AtOnce:
		return fmt.Sprintf("More than one %s", w.forms().noun)
	case choose.Given:
		return fmt.Sprintf("How many %s exactly", w.SwapNouns())
	case choose.ToNothing:
		return "What stays after it"
	case choose.ZeroHere:
		return "A zero in the " + w.PlaceMany(p)
	case choose.Zero:
		return "A zero in " + numbersWith(of)
	case choose.Crossing:
		return fmt.Sprintf("%s over a zero", capital(w.ASwap()))
	case choose.InARow:
		return "Zeros in a row"
	case choose.Remainder:
		return "A remainder"
	case choose.Tens:
		return "Ten in the " + w.PlaceMany(place.Ones)
	case choose.Twins:
		return "Doubles in the " + w.PlaceMany(place.Ones)
	case choose.Limited:
		return "Facts"
	case choose.UpTo:
		return "Numbers up to"
	case choose.Sharers:
		if of == problem.Trays {
			return "How many groups"
		}
		return "Shared among"
	}
	return ""
}

// wishSides are what a wish is called when it is for no, and for yes.
var wishSides = map[choose.WishKind][2]string{
	choose.ByBelow: {"its own digits", "the place below"}, choose.AtOnce: {"at most one", "two or more"}, choose.ToNothing: {"something", "nothing"},
	choose.InARow: {"at most one", "two or more"},
}

// WishSide names a side of a wish.
func WishSide(kind choose.WishKind, want choose.Want) string {
	sides, named := wishSides[kind]
	switch {
	case want == choose.Any && named:
		return "either"
	case want == choose.Any:
		return "either"
	case named && want == choose.No:
		return sides[0]
	case named:
		return sides[1]
	case want == choose.No:
		return "never"
	}
	return "must be"
}

// FactName names a limit of facts.
func FactName(f choose.Facts) string { return strings.TrimPrefix(factNames[f], "only ") }

// RangeName names how far numbers go; the empty one is without a limit.
func RangeName(r choose.Range) string {
	if r == "" {
		return "no limit"
	}
	return Side("range", string(r))
}

// LeftOut says how many problems are left out because they were worked lately.
func LeftOut(n int) string {
	switch n {
	case 0:
		return ""
	case 1:
		return "one worked recently is left out"
	}
	return fmt.Sprintf("%d worked recently are left out", n)
}
