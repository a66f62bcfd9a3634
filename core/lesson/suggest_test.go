package lesson_test

import (
	"fmt"
	"slices"
	"testing"

	"vineswap/core/beads"
	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/lesson"
	"vineswap/core/number"
	"vineswap/core/problem"
	"vineswap/core/task"
)

// owned is what a class usually has of bars.
var owned = beads.Owned{Stairs: 2, Remainders: true}

// A task can be drawn for every stage in every manner, as far as the class's numbers go: the
// stage accepts it, and it is worked in that manner. Where the pieces are left there are two,
// which swap in the same places.
func TestDrawForEveryStage(t *testing.T) {
	for _, r := range choose.Ranges() {
		class := ladder.Class{Limit: r.Limit()}
		for _, strand := range ladder.Strands() {
			for _, stage := range class.Stages(strand) {
				for seed, m := range stage.Manners {
					key := ladder.Key{Stage: stage.ID, Manner: m}
					items, err := lesson.Wanted{Key: key, Range: r, Owned: owned}.Draw(uint64(seed))
					if err != nil || len(items) != 1 {
						t.Fatalf("%v to %s: %d tasks, %v", key, r, len(items), err)
					}
					fits(t, items[0], key, r)
					if m.WithMaterial() {
						continue
					}
					items, err = lesson.Wanted{Key: key, With: book.Pieces, Range: r, Owned: owned}.Draw(uint64(seed))
					if err != nil || len(items) != 2 {
						t.Fatalf("%v to %s, leaving pieces: %d tasks, %v", key, r, len(items), err)
					}
					fits(t, items[0], ladder.Key{Stage: stage.ID, Manner: book.Pieces}, r)
					fits(t, items[1], key, r)
					if items[0].Task.Key() == items[1].Task.Key() || !slices.Equal(items[0].Task.Shows(), items[1].Task.Shows()) && stage.ID.Kind() != "" {
						t.Errorf("%v to %s: %v, then %v", key, r, items[0].Task, items[1].Task)
					}
				}
			}
		}
	}
}

func fits(t *testing.T, item lesson.Item, key ladder.Key, r choose.Range) {
	t.Helper()
	if ladder.Credit(item.Task, item.Stage) != key.Stage || item.Manner != key.Manner {
		t.Errorf("%v for %v is of %s, %s", item.Task, key, ladder.Credit(item.Task, item.Stage), item.Manner)
	}
	if p, of := problem.From(item.Task); of && p.Reach() > r.Limit() {
		t.Errorf("%v goes beyond %s", p, r)
	}
	if a, of := number.From(item.Task); of {
		hand := map[book.Manner]number.Hand{book.Pieces: number.InHand, book.Drawn: number.OnPaper, book.Column: number.InHead, book.Head: number.InHead}[key.Manner]
		whole, err := number.Whole(key.Stage)
		if err != nil {
			t.Fatal(err)
		}
		if a.Hand() != hand && whole.Space().In(hand).Count() > 0 {
			t.Errorf("%v for %v is worked with %v", item.Task, key, a.Hand())
		}
	}
}

// What the children had lately is left out as long as there is something else; what one of
// them lacks is asked for; the same seed draws the same.
func TestDrawAnew(t *testing.T) {
	wanted := lesson.Wanted{Key: ladder.Key{Stage: choose.TakeOneSwapTens, Manner: book.Pieces}, Range: "100"}
	seen := map[string]bool{}
	for seed := range uint64(40) {
		items, err := wanted.Draw(seed)
		if err != nil || seen[items[0].Task.Key()] {
			t.Fatalf("%v again, %v", items, err)
		}
		seen[items[0].Task.Key()] = true
		wanted.Had = append(wanted.Had, items[0].Task)
		again, _ := wanted.Draw(seed)
		twice, _ := wanted.Draw(seed)
		if fmt.Sprint(again) != fmt.Sprint(twice) {
			t.Fatalf("%v and %v from one seed", again, twice)
		}
	}
	small := lesson.Wanted{Key: ladder.Key{Stage: number.OneByOne, Manner: book.Pieces}, Range: "20"}
	for range 300 { // until nothing is new
		items, err := small.Draw(3)
		if err != nil {
			t.Fatalf("after %d: %v", len(small.Had), err)
		}
		small.Had = append(small.Had, items[0].Task)
	}
	lack := problem.Made(2)
	for seed := range uint64(10) {
		items, err := lesson.Wanted{Key: ladder.Key{Stage: choose.SwapMakesSwap, Manner: book.Drawn}, Range: "10000", Lacks: []lesson.Lack{{}, {Skills: []task.Skill{lack}}}}.Draw(seed)
		if err != nil {
			t.Fatal(err)
		}
		if !slices.Contains(items[0].Task.Shows(), lack) {
			t.Errorf("%v does not show %s", items[0].Task, lack)
		}
	}
}
