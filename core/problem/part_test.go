package problem_test

import (
	"fmt"
	"math/rand/v2"
	"slices"
	"testing"

	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/task"
)

// In which places a problem is worked, and which swaps are made in each.
func TestParts(t *testing.T) {
	for _, c := range []struct{ text, want string }{
		{"27+45", "ones [swap/ones], tens []"},
		{"368+275", "ones [swap/ones], tens [swap/tens], hundreds []"},
		{"248+153", "ones [swap/ones], tens [swap/tens made/tens], hundreds []"},
		{"675+480", "ones [], tens [swap/tens], hundreds [swap/hundreds], thousands []"},
		{"62-38", "ones [swap/ones], tens []"},
		{"503-128", "ones [swap/ones swap/tens], tens [], hundreds []"},
		{"5003-128", "ones [swap/ones swap/tens swap/hundreds], tens [], hundreds [], thousands []"},
		{"5030-128", "ones [swap/ones], tens [], hundreds [swap/hundreds], thousands []"},
		{"736/4", "hundreds [swap/hundreds], tens [swap/tens], ones []"},
		{"97/4", "tens [swap/tens], ones [swap/ones]"},
		{"24*3", "ones [swap/ones], tens []"},
		{"8+5", ""},
		{"13-8", ""},
		{"52:4", ""},
	} {
		p, err := problem.Parse(c.text)
		if err != nil {
			t.Fatal(err)
		}
		got := ""
		for i, at := range p.Parts() {
			if i > 0 {
				got += ", "
			}
			got += fmt.Sprint(at, " ", p.ShowsIn(place.SetOf(at)))
		}
		if got != c.want {
			t.Errorf("%s: %s; want %s", c.text, got, c.want)
		}
	}
}

// An answer is right in a place where its digit is, in the highest where all before it is.
func TestRightIn(t *testing.T) {
	for _, c := range []struct{ text, answer, part, want string }{
		{"27+45", "72", "ones tens", "right"},
		{"27+45", "62", "ones", "right"},
		{"27+45", "62", "tens", "wrong"},
		{"27+45", "612", "tens", "wrong"},
		{"27+45", "2", "tens", "wrong"},
		{"27+45", "71", "ones", "wrong"},
		{"27+45", "", "ones", "wrong"},
		{"675+480", "155", "tens", "right"},
		{"675+480", "155", "thousands", "wrong"},
		{"105-98", "7", "hundreds", "right"},
		{"105-98", "17", "tens", "wrong"},
		{"105-98", "17", "ones", "right"},
		{"97/4", "24 r 1", "ones", "right"},
		{"97/4", "24", "ones", "wrong"},
		{"97/4", "24", "tens", "right"},
		{"97/4", "27 r 1", "tens", "right"},
		{"8+5", "13", "ones", "right"},
		{"8+5", "3", "ones", "wrong"},
	} {
		given, err := task.Parse(c.text)
		if err != nil {
			t.Fatal(err)
		}
		part, err := place.ParseSet(c.part)
		if err != nil {
			t.Fatal(err)
		}
		if right := given.IsRightIn(part, c.answer); right != (c.want == "right") {
			t.Errorf("%s = %s in the %s: right %t", c.text, c.answer, c.part, right)
		}
	}
}

// Over seeded problems: what all places show together is what the whole shows, each swap in
// one place; an answer is right in all places just where it is right.
func TestPartsMakeTheWhole(t *testing.T) {
	rng := rand.New(rand.NewPCG(18, 4))
	for range 3_000 {
		a, b := place.Number(20+rng.IntN(99_000)), place.Number(1+rng.IntN(9_999))
		p := []problem.Problem{problem.SumOf(a, b), problem.DifferenceOf(max(a, b), min(a, b)), problem.Of(problem.Sharing, a, 2+b%8), problem.Of(problem.Trays, a%9_000+20, 2+b%8), problem.SumOf(a, b, a%100)}[rng.IntN(5)]
		var all place.Set
		var shown []task.Skill
		for _, at := range p.Parts() {
			all |= place.SetOf(at)
			shown = append(shown, p.ShowsIn(place.SetOf(at))...)
		}
		want := p.Shows()
		slices.Sort(shown)
		slices.Sort(want)
		if !slices.Equal(shown, want) || !slices.Equal(p.ShowsIn(all), p.Shows()) {
			t.Fatalf("%v shows %v in its places, %v in all", p, shown, want)
		}
		answer := slices.Clone(p.Right())
		if rng.IntN(3) > 0 {
			answer[rng.IntN(len(answer))] += place.Number(rng.IntN(3) * place.Place(rng.IntN(5)).Unit())
		}
		right := answer.Equal(p.Right())
		if p.RightIn(all, answer) != right {
			t.Fatalf("%v = %v: right in all places %t, right %t", p, answer, !right, right)
		}
		each := true
		for _, at := range p.Parts() {
			each = each && p.RightIn(place.SetOf(at), answer)
		}
		if each != right {
			t.Fatalf("%v = %v: right in each place %t, right %t", p, answer, each, right)
		}
	}
}
