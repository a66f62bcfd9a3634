package slip_test

import (
	"fmt"
	"math/rand/v2"
	"slices"
	"testing"

	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/slip"
)

// Each definition against its example.
func TestEachSlipGivesItsAnswer(t *testing.T) {
	seen := map[string]bool{}
	for _, c := range []struct {
		id   slip.ID
		text string
		want int
	}{
		{"drops-new-ten", "47+25", 62}, {"drops-new-ten", "368+275", 533},
		{"writes-both-digits", "47+25", 612},
		{"carries-wrong-digit", "47+25", 81}, {"carries-wrong-digit", "368+275", 1111},
		{"always-carries", "42+25", 77},
		{"carries-one-only", "28+19+15", 52},
		{"carries-rightward", "368+275", 5314},
		{"lines-up-left", "146+38", 526},
		{"adds-all-digits", "47+25", 18},
		{"stops-at-shorter", "146+38", 84}, {"stops-at-shorter", "374+62", 136},
		{"brings-down-without-carry", "374+62", 336},
		{"takes-away-instead", "47+25", 22},
		{"zero-makes-zero", "40+25", 60},
		{"last-ten-lost", "67+58", 25},
		{"last-addend-left-out", "24+35+16", 59},
		{"counts-the-start", "47+25", 61},
		{"smaller-from-larger", "62-38", 36},
		{"ten-for-nothing", "62-38", 34},
		{"jumps-over-zero", "503-128", 285},
		{"nine-from-nowhere", "503-128", 475},
		{"stops-at-zero", "503-128", 385},
		{"zero-take-n-is-n", "50-23", 33},
		{"zero-take-n-is-zero", "50-23", 30},
		{"take-zero-is-zero", "58-20", 30},
		{"zero-when-short", "62-38", 30},
		{"adds-instead", "62-38", 100},
		{"swaps-without-need", "68-23", 35},
		{"ten-without-own", "62-38", 22},
		{"lines-up-left", "653-48", 173},
		{"stops-at-shorter", "653-48", 5},
		{"swaps-from-far-left", "732-118", 524},
		{"counts-the-start", "62-38", 35},
	} {
		t.Run(string(c.id)+" "+c.text, func(t *testing.T) {
			p, err := problem.Parse(c.text)
			if err != nil {
				t.Fatal(err)
			}
			o, numbers, _ := p.InColumns()
			if got, applies := slip.Answer(o, c.id, numbers); !applies || got != c.want {
				t.Errorf("gives %d, %t; wanted %d", got, applies, c.want)
			}
			if ids := p.Task().Explains(fmt.Sprint(c.want)); !slices.Contains(ids, c.id) {
				t.Errorf("%d is explained by %v", c.want, ids)
			}
			seen[fmt.Sprint(o, c.id)] = true
		})
	}
	for _, o := range []slip.Operation{slip.Add, slip.Take} {
		for _, id := range slip.Of(o) {
			if !seen[fmt.Sprint(o, id)] {
				t.Errorf("%d %s has no example", o, id)
			}
		}
	}
}

func TestWhereASlipDoesNotApply(t *testing.T) {
	for name, c := range map[string]struct {
		in      slip.Operation
		id      slip.ID
		numbers []place.Number
	}{
		"nothing to drop":              {slip.Add, "drops-new-ten", []place.Number{42, 25}},
		"two numbers have no last":     {slip.Add, "last-addend-left-out", []place.Number{42, 25}},
		"three are not counted on":     {slip.Add, "counts-the-start", []place.Number{4, 2, 5}},
		"numbers of one length":        {slip.Add, "lines-up-left", []place.Number{42, 25}},
		"flush left it is the larger":  {slip.Take, "lines-up-left", []place.Number{153, 48}},
		"nothing left on the far left": {slip.Take, "swaps-from-far-left", []place.Number{111, 99}},
		"no zero in the way":           {slip.Take, "stops-at-zero", []place.Number{62, 38}},
	} {
		if got, applies := slip.Answer(c.in, c.id, c.numbers); applies {
			t.Errorf("%s: %s gives %d for %v", name, c.id, got, c.numbers)
		}
	}
}

// No slip ever gives the right answer, none gives a number below nothing, and
// the right answer is explained by none.
func TestLawsOfSlips(t *testing.T) {
	rng := rand.New(rand.NewPCG(7, 11))
	for range 5_000 {
		a, b := place.Number(rng.IntN(10_000)), place.Number(rng.IntN(1_000))
		for _, p := range []problem.Problem{problem.SumOf(max(a, b), min(a, b)), problem.DifferenceOf(max(a, b), min(a, b))} {
			for _, w := range p.Wrong() {
				if w.Answer[0] == p.Answer() || w.Answer[0] < 0 {
					t.Fatalf("%s gives %v for %v", w.Slip, w.Answer, p)
				}
			}
			if ids := p.Task().Explains(p.Result()); len(ids) > 0 {
				t.Fatalf("%v explain the right answer of %v", ids, p)
			}
		}
	}
}

func ExampleAnswer() {
	answer, applies := slip.Answer(slip.Take, "smaller-from-larger", []place.Number{62, 38})
	fmt.Println(answer, applies)
	// Output: 36 true
}

// The slips of sharing and of a missing part.
func TestSlipsOfSharingAndEquals(t *testing.T) {
	for _, c := range []struct {
		n, by, each, rest place.Number
		applies           bool
	}{
		{72, 3, 20, 2, true}, {97, 4, 21, 3, true}, {84, 2, 42, 0, false}, {85, 2, 42, 1, false}, {700, 4, 100, 0, true},
	} {
		if each, rest, applies := slip.LeftOver(c.n, c.by); each != c.each || rest != c.rest || applies != c.applies {
			t.Errorf("%d among %d: %d rest %d, %t", c.n, c.by, each, rest, applies)
		}
	}
	if got := problem.Of(problem.Sharing, 72, 3).Task().Explains("20 rest 2"); !slices.Contains(got, slip.LeftoverDropped) {
		t.Errorf("20 rest 2 is explained by %v", got)
	}
	if got, applies := slip.DoIt([]place.Number{7, 5}, 4); got != 12 || !applies {
		t.Errorf("7 + 5 = □ + 4 gives %d, %t", got, applies)
	}
}

// Equal trays are added: the slips of adding show there.
func TestSlipsOfTrays(t *testing.T) {
	for id, want := range map[slip.ID]string{"drops-new-ten": "61", "carries-one-only": "71", "last-addend-left-out": "54"} {
		p := problem.Of(problem.Trays, 27, 3)
		if got := p.Task().Explains(want); !slices.Contains(got, id) {
			t.Errorf("%s of 3 trays of 27 is explained by %v", want, got)
		}
	}
}
