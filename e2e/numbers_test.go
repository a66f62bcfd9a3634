package e2e_test

import (
	"fmt"
	"testing"

	"vineswap/core/problem"
	"vineswap/core/swap"
	"vineswap/e2e/guide"
)

// drawn reads the problems of the hand.
func drawn(g *guide.Guide) []problem.Problem {
	var out []problem.Problem
	for _, text := range guide.Read[[]string](g, "[...document.querySelectorAll('[data-hand] [role=radio]')].map((b) => b.getAttribute('aria-label').split(', ')[0])") {
		if p, err := problem.Parse(text); err == nil {
			out = append(out, p)
		}
	}
	return out
}

// says waits for the sentence of the choice.
func says(text string) string {
	return fmt.Sprintf("document.querySelector('.says')?.innerText === %q", text)
}

// Each kind of choice, made by touch: what is drawn is worked by the rules and
// does what was asked.
func TestChoosingEveryKind(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	s.login(g, "hanne").Press("Numbers").See("Twelve of them")
	all := func(what string, ok func(p problem.Problem, t swap.Trace) bool) {
		t.Helper()
		list := drawn(g)
		if len(list) != 12 && g.Err() == nil {
			t.Errorf("%s: %d problems in the hand", what, len(list))
		}
		for _, p := range list {
			tr, err := swap.Solve(p)
			if err != nil || !ok(p, tr) {
				t.Errorf("%s: %v does not fit, %v", what, p, err)
			}
		}
	}

	// Taking over a zero; the strip opens to the right, and the zero is ringed.
	g.Press("Taking away").Holds("taking", says("One swap, tens: a number of two digits, take away one of two digits."))
	g.Press("across one zero").Holds("over a zero", says("Across one zero: a number of three digits, take away one of three digits.")).Holds("counted", fits("16200"))
	g.Holds("the zero must be there", "document.querySelector('.strip .zero.must')").Settle()
	all("across one zero", func(p problem.Problem, t swap.Trace) bool {
		return p.Kind == problem.Difference && t.Columns[1].Crossed && len(t.Swaps) == 2
	})

	// Finer wishes: ten in the ones to take from, then what the shelf has.
	g.Press("More options").See("Pieces you have").Holds("ten in the ones", "(() => { const r = [...document.querySelectorAll('[role=radiogroup]')].find((x) => document.getElementById(x.getAttribute('aria-labelledby'))?.innerText === 'Ten in the ones'); r.querySelectorAll('button')[2].click(); return true })()")
	g.Holds("asked", says("Across one zero: a number of three digits, take away one of three digits, with exactly ten ones to take from."))
	g.Press("Twelve of them").Settle()
	all("ten to take from", func(p problem.Problem, t swap.Trace) bool { return t.Columns[0].Count == 10 })

	// Sharing with a rest, and trays within a shelf.
	g.Press("Sharing").Holds("sharing", says("Shared evenly: a number of two digits shared among two to nine.")).Press("shared, a remainder").Holds("sharing", says("Shared, a remainder: a number of two digits shared among two to nine.")).Settle()
	all("a rest", func(p problem.Problem, t swap.Trace) bool { return p.Kind == problem.Sharing && t.Remainder > 0 })
	g.Press("Equal groups").Holds("trays", says("Equal groups: two to nine equal groups of a number of two digits.")).Press("equal groups, swaps").Press("More options").See("How many groups").Holds("a limit of the ones", "(() => { const i = document.querySelector('.stock input'); i.value = '20'; i.dispatchEvent(new Event('change', { bubbles: true })); return true })()")
	g.Holds("within the shelf", says("Equal groups, swaps: two to nine equal groups of a number of two digits, with at most 20 ones on the shelf.")).Press("Twelve of them").Settle()
	all("within the shelf", func(p problem.Problem, t swap.Trace) bool { return t.Fullest()[0] <= 20 && len(t.Swaps) > 0 })

	// Four numbers, each with a lane of its own.
	g.Press("Adding").Holds("joining", says("One swap, ones: two numbers of two digits, with at most 20 ones on the shelf.")).Press("three to six addends").Press("One number more").Holds("four", says("Three to six addends: four numbers of two digits, with at most 20 ones on the shelf.")).Holds("four lanes", "document.querySelectorAll('.length').length === 4").Settle()
	all("four numbers", func(p problem.Problem, t swap.Trace) bool { return len(p.Numbers) == 4 })
	g.Press("Number 4: fewer digits").Holds("a short one", says("Three to six addends: four numbers of two, two, two and one digits, with at most 20 ones on the shelf."))
	g.Press("More options").Press("an even mix").Press("Twelve of them").Settle()
	before := 0
	for _, p := range drawn(g) { // gentle first
		tr, err := swap.Solve(p)
		if err != nil {
			t.Fatal(err)
		}
		places := map[string]bool{}
		for _, s := range tr.Swaps {
			places[s.From.String()] = true
		}
		if len(places) < before {
			t.Errorf("%v is gentler than those before it", p)
		}
		before = len(places)
	}
	s.check(g)
}

// An impossible choice is said in words and mended by one of the steps offered,
// by touch and by a key.
func TestImpossibleChoices(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	s.login(g, "hanne").Press("Numbers").See("Twelve of them").Press("Taking away").Holds("taking", says("One swap, tens: a number of two digits, take away one of two digits.")).Press("across one zero").Holds("counted", fits("16200"))
	g.Press("hundreds to tens").Holds("in hand", "document.getElementById('knot-tens').getAttribute('aria-pressed') === 'true'")
	noSwap := "[...document.querySelectorAll('.states [role=radio]')].find((b) => b.innerText.includes('no swap')).click() === undefined"
	g.Holds("no swap is asked", noSwap).Holds("none fits", fits("0")).See("No numbers fit: there cannot be no swap in the tens together with the stage “across one zero”.")
	g.See("A swap in the tens").Key("1").Holds("mended by a key", fits("16200")).Holds("as it said", says("Across one zero: a number of three digits, take away one of three digits, with a swap in the tens."))
	g.Holds("no swap is asked", noSwap).Holds("none fits", fits("0")).Press("Leave the tens open").Holds("mended by touch", fits("16200")).Holds("open again", says("Across one zero: a number of three digits, take away one of three digits."))
	// Bad input is told beside the field, and nothing is lost.
	g.Press("More options").Holds("nonsense", "(() => { const i = document.querySelector('.stock input'); i.value = 'many'; i.dispatchEvent(new Event('change', { bubbles: true })); return true })()").See("“many” is not a number").Holds("the choice stays", fits("16200"))
	s.check(g)
}

// A choice is named, kept, found again on another day, and dropped.
func TestKeepingAChoice(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	s.login(g, "hanne").Press("Numbers").See("Twelve of them").Press("Taking away").Holds("taking", says("One swap, tens: a number of two digits, take away one of two digits.")).Press("across zeros").Holds("chosen", says("Across zeros: a number of four digits, take away one of four digits.")).Press("never").See("No numbers fit")
	g.Press("either").Holds("counted again", "document.querySelector('[data-fits]').dataset.fits !== '0'").Press("More options").See("None saved yet.")
	g.Write("Save this one as", "over the frost").Press("Save").Holds("kept", "[...document.querySelectorAll('.take b')].some((b) => b.innerText === 'over the frost')")
	g.Write("Save this one as", "over the frost").Press("Save").See("A choice with this name is already kept").Settle()
	_, class := s.lead()
	kept, err := s.store.KeptChoices(ctx, class)
	if err != nil || len(kept) != 1 || kept[0].Name != "over the frost" || kept[0].Version != 2 {
		t.Fatalf("kept %+v, %v", kept, err)
	}
	other := s.sit(laptopWidth, laptopHeight)
	s.login(other, "tilo").Press("Numbers").See("Twelve of them").Press("More options").See("over the frost").Press("over the frost").Holds("taken away", says("Across zeros: a number of four digits, take away one of four digits.")).Press("Twelve of them").See("Gather").Settle()
	for _, p := range drawn(other) {
		if p.Kind != problem.Difference {
			t.Errorf("%v is no taking away", p)
		}
	}
	other.Press("More options").Press("Delete over the frost").See("None saved yet.").Settle()
	if kept, err = s.store.KeptChoices(ctx, class); err != nil || len(kept) != 0 {
		t.Errorf("dropped, and kept %+v, %v", kept, err)
	}
	s.check(g)
	s.check(other)
}

// What those who come have had lately is left out, and it is said.
func TestNotAgainForThoseWhoCome(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	s.login(g, "hanne").Press("Numbers").See("Twelve of them").Press("More options").See("Not used by the class in the last")
	before := guide.Read[string](g, "document.querySelector('[data-fits]').dataset.fits")
	g.Press("month").See("worked recently are left out").Holds("fewer fit", fmt.Sprintf("Number(document.querySelector('[data-fits]').dataset.fits) < %s", before))
	g.Press("any").Holds("all again", fits(before))
	s.check(g)
}
