package swap_test

import (
	"fmt"
	"math/rand/v2"
	"testing"

	"vineswap/core/piece"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/swap"
)

// kinds writes the steps of one trace: "look 3, swap-down, take-away 8, …".
func kinds(t swap.Trace) []string {
	var out []string
	for _, s := range t.Steps {
		out = append(out, fmt.Sprintf("%s %s %d", s.At, s.Kind, s.Count))
	}
	return out
}

func TestTakingStepByStep(t *testing.T) {
	tr := mustSolve(t, problem.DifferenceOf(503, 128))
	want := []string{
		"before/0 estimate 0",
		"lay-out/0 set-out 0", "lay-out/1 build 0", "lay-out/2 label 0", "lay-out/3 label 0",
		"work/ones/0 look 3", "work/ones/1 swap-down 1", "work/ones/2 swap-down 1", "work/ones/3 take-away 8", "work/ones/4 write 5",
		"work/tens/0 look 9", "work/tens/1 take-away 2", "work/tens/2 write 7",
		"work/hundreds/0 look 4", "work/hundreds/1 take-away 1", "work/hundreds/2 write 3",
		"read/0 slide 0", "read/1 read 0", "read/2 say-back 0", "read/3 sentence 0",
		"check/0 count-pieces 15", "check/1 put-back 0", "check/2 swap-up 10", "check/3 swap-up 10", "check/4 compare 0",
	}
	if got := kinds(tr); fmt.Sprint(got) != fmt.Sprint(want) {
		t.Errorf("503-128 is worked\n%v, wanted\n%v", got, want)
	}
	if fmt.Sprint(tr.Swaps) != "[hundreds to tens tens to ones]" || tr.Answer != 375 {
		t.Errorf("%v, %d", tr.Swaps, tr.Answer)
	}
	if most := tr.Fullest(); most[place.Ones] != 13 || most[place.Tens] != 10 {
		t.Errorf("the fullest moment is %v", most)
	}
}

func TestTakingAnswers(t *testing.T) {
	for text, want := range map[string]place.Number{
		"62-38": 24, "47-47": 0, "100-1": 99, "1000-1": 999, "1000-999": 1, "105-5": 100, "8-0": 8, "9000-4568": 4432, "100000-1": 99_999,
	} {
		p, err := problem.Parse(text)
		if err != nil {
			t.Fatal(err)
		}
		tr := mustSolve(t, p)
		if last := tr.Steps[len(tr.Steps)-1]; tr.Answer != want || p.Answer() != want || resultOf(last.Column) != want {
			t.Errorf("%s = %d, wanted %d; the column says %d", text, tr.Answer, want, resultOf(last.Column))
		}
	}
}

func TestLawsOfTaking(t *testing.T) {
	rng := rand.New(rand.NewPCG(2026, 12))
	for range 4_000 {
		larger := place.Number(rng.IntN(1_000_000))
		smaller := place.Number(rng.IntN(int(larger) + 1))
		tr := mustSolve(t, problem.DifferenceOf(larger, smaller))
		if err := tr.Verify(); err != nil {
			t.Fatalf("%d-%d: %v", larger, smaller, err)
		}
		if tr.Answer != larger-smaller {
			t.Fatalf("%d-%d = %d", larger, smaller, tr.Answer)
		}
		if larger.DigitSum()+9*len(tr.Swaps)-smaller.DigitSum() != tr.Answer.DigitSum() {
			t.Fatalf("%d-%d: the digit-sum law fails", larger, smaller)
		}
		came := 0
		for _, c := range tr.Columns {
			if c.Swaps {
				came++
			}
			if c.Stays < 0 || c.Stays > 9 {
				t.Fatalf("%d-%d: %+v", larger, smaller, c)
			}
		}
		if came != len(tr.Swaps) {
			t.Fatalf("%d-%d: %d swaps, ten came %d times", larger, smaller, len(tr.Swaps), came)
		}
		end := tr.Steps[tr.Find(saidBack)].Zones
		if end.In(swap.Start) != piece.Building(tr.Answer) || end.In(swap.Taken).Value() != int(smaller) {
			t.Fatalf("%d-%d: at the end there lies %v", larger, smaller, end)
		}
	}
}

func ExampleSolve_taking() {
	tr, _ := swap.Solve(problem.DifferenceOf(62, 38))
	fmt.Println(tr.Answer, tr.Swaps)
	// Output: 24 [tens to ones]
}
