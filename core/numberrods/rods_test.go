package numberrods_test

import (
	"errors"
	"fmt"
	"testing"

	"vineswap/core/choose"
	"vineswap/core/number"
	"vineswap/core/numberrods"
	"vineswap/core/task"
)

func Example() {
	r, _ := numberrods.Parse("rods 5 and 4")
	fmt.Println(r.Long, r.Right(), numberrods.StageOf(r))
	// Output: 9 [9] joining/within-ten
}

// Every question keeps the laws of a trace, ends with what is as long, is written and read again
// and counts for a stage.
func TestWork(t *testing.T) {
	all := numberrods.Choice{Asks: numberrods.AllAsks(), Long: []int{1, 2, 3, 4, 5, 6, 7, 8, 9, 10}}.All()
	stages := map[choose.StageID]int{}
	for _, r := range all {
		tr, err := numberrods.Solve(r)
		if err != nil {
			t.Fatalf("%v: %v", r, err)
		}
		if err := tr.Verify(); err != nil {
			t.Fatalf("%v: %v", r, err)
		}
		w, _ := numberrods.Worked(tr)
		last := w.Views[len(w.Views)-1]
		sum := 0
		for _, n := range last.Above {
			sum += n
		}
		if r.Asks == numberrods.Order && last.Stair != r.Long || r.Asks != numberrods.Order && (sum != r.Long || last.Under != r.Long || !last.Flush) {
			t.Fatalf("%v ends as %+v", r, last)
		}
		if again, err := numberrods.Parse(r.String()); err != nil || again != r {
			t.Fatalf("%v is read %v, %v", r, again, err)
		}
		stages[numberrods.StageOf(r)]++
	}
	if len(all) != 100 || stages[number.OneByOne] != 10 || stages[number.FullTen] != 9 || stages[choose.WithinTen] != 81 {
		t.Errorf("%d questions, %v", len(all), stages)
	}
}

func TestParse(t *testing.T) {
	for text, want := range map[string]string{"rods": "rods to 10", "Rods to 6": "rods to 6", "rods 5 + 4": "rods 5 and 4", "rods 7 to 10": "rods 7 to 10"} {
		if got, err := numberrods.Parse(text); err != nil || got.String() != want {
			t.Errorf("%q is %v, %v", text, got, err)
		}
	}
	for text, want := range map[string]error{"rods to 11": numberrods.ErrRod, "rods 7 and 5": numberrods.ErrRod, "rods 9 to 5": numberrods.ErrRod, "rods to 0": numberrods.ErrRod, "rods 5": task.ErrForm, "": task.ErrForm} {
		if _, err := numberrods.Parse(text); !errors.Is(err, want) {
			t.Errorf("%q: %v", text, err)
		}
	}
}
