package say_test

import (
	"testing"

	"vineswap/core/choose"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/say"
)

// A choice is read as one sentence.
func TestChoicesAreRead(t *testing.T) {
	for _, c := range []struct {
		choice choose.Choice
		words  say.Words
		want   string
	}{
		{choose.Choice{Digits: []int{2, 2}, Stage: choose.OneSwapOnes, Laid: true}, say.Words{}, "One swap, ones: two numbers of two digits."},
		{choose.Choice{Digits: []int{3, 2, 2}, Zeros: choose.No}, say.Words{}, "Three numbers of three, two and two digits, with no zero in the numbers."},
		{choose.Choice{Digits: []int{3, 3}, Swap: choose.Wants{choose.Yes, choose.Yes}, Made: choose.Wants{choose.Any, choose.Yes}}, say.Words{Swap: say.Regroup, Places: say.Units}, "Two numbers of three digits, with a regrouping in the units, a regrouping in the tens and a regrouping in the tens only because of the place below."},
		{choose.Choice{Kind: problem.Difference, Digits: []int{3, 2}, Cross: choose.Yes, Row: choose.No, MakesTen: choose.Yes}, say.Words{Swap: say.Carry}, "A number of three digits, take away one of two digits, with a borrow over a zero, at most one zero to go over and exactly ten ones to take from."},
		{choose.Choice{Kind: problem.Sharing, Digits: []int{2}, By: 4, Rest: choose.Yes, Swap: choose.Wants{choose.Any, choose.No}}, say.Words{}, "A number of two digits shared among four, with a remainder and no swap in the tens."},
		{choose.Choice{Kind: problem.Sharing, Digits: []int{1}, Swap: choose.Wants{choose.No}}, say.Words{}, "A number of one digit shared among two to nine, with no remainder."},
		{choose.Choice{Kind: problem.Trays, Digits: []int{3}, Facts: choose.UpToTen, ZeroAt: choose.Wants{choose.Any, choose.Yes}, Exact: choose.Wants{choose.Yes}, Several: choose.Wants{choose.No}}, say.Words{}, "Two to nine equal groups of a number of three digits, with only facts up to ten, no more than one swap in the ones, nothing left in the ones after a swap and a zero in the tens."},
		{choose.Choice{Digits: []int{1, 1}, Doubles: choose.No, Limit: [place.Count]int{15}}, say.Words{}, "Two numbers of one digit, with no double in the ones and at most 15 ones on the shelf."},
	} {
		if got := c.words.Choice(c.choice); got != c.want {
			t.Errorf("%q\nwanted %q", got, c.want)
		}
	}
}

// Every wish has a name, both its sides, and words for what it asks and forbids.
func TestEveryWishHasWords(t *testing.T) {
	w := say.Words{}
	for _, op := range choose.Kinds() {
		said := map[string]bool{}
		for _, kind := range []choose.WishKind{choose.Knot, choose.ByBelow, choose.AtOnce, choose.ToNothing, choose.ZeroHere, choose.Zero, choose.Crossing, choose.InARow, choose.Remainder, choose.Tens, choose.Twins} {
			if !kind.Suits(op) {
				continue
			}
			for _, want := range []choose.Want{choose.No, choose.Yes} {
				wish := choose.Wish{Kind: kind, Place: place.Tens, Want: want}
				text := w.Wish(op, wish)
				if text == "" || said[text] || plainFault("With "+text+".") != "" || say.WishSide(kind, want) == "" || kind != choose.Knot && w.WishName(op, kind, place.Tens) == "" {
					t.Errorf("%s, %s, %v: %q", op, kind, want, text)
				}
				said[text] = true
				for _, turned := range []bool{true, false} {
					if text := w.Mend(op, choose.Mend{Wishes: []choose.Wish{wish}, Turned: turned}); text == "" || plainFault(text) != "" {
						t.Errorf("%s, %s, %v: mend %q", op, kind, want, text)
					}
				}
			}
		}
	}
	if got := w.Mend(problem.Difference, choose.Mend{Wishes: []choose.Wish{{Kind: choose.Knot, Place: place.Tens, Want: choose.No}}, Turned: true}); got != "A swap in the tens" {
		t.Error(got)
	}
	if got := w.Mend(problem.Sum, choose.Mend{Digits: []int{3, 2}}); got != "Use two numbers of three and two digits" {
		t.Error(got)
	}
	for _, f := range choose.FactLimits() {
		if say.FactName(f) == "" {
			t.Errorf("%s has no name", f)
		}
	}
}
