package material_test

import (
	"errors"
	"fmt"
	"math/rand/v2"
	"testing"

	"vineswap/core/material"
	"vineswap/core/problem"
	"vineswap/core/swap"
)

func needs(t *testing.T, text string) material.Needs {
	t.Helper()
	return material.For(worked(t, text).Trace)
}

func worked(t *testing.T, text string) swap.Trace {
	t.Helper()
	p, err := problem.Parse(text)
	if err != nil {
		t.Fatal(err)
	}
	tr, err := swap.Solve(p)
	if err != nil {
		t.Fatal(err)
	}
	return tr
}

func TestFor(t *testing.T) {
	const all = "[small-parts heavy-cube free-way]"
	for _, c := range []struct {
		name, text string
		pieces     string // place, fullest, on the trays, from the store
		small      int    // sets of cards
		large      string
		trays      int
		cautions   string
		minutes    int
	}{
		{"no swap", "42+25", "[{tens 6 [4 2] 0} {ones 7 [2 5] 0}]", 2, "[60 7]", 3, "[small-parts free-way]", 4},
		{"two swaps", "1458+2367", "[{thousands 3 [1 2] 0} {hundreds 8 [4 3] 1} {tens 12 [5 6] 1} {ones 15 [8 7] 0}]", 2, "[3000 800 20 5]", 3, all, 6},
		{"a new place", "70+40", "[{hundreds 1 [0 0] 1} {tens 11 [7 4] 0}]", 2, "[100 10]", 3, "[free-way]", 5},
		{"a swap to nothing left", "994+6", "[{thousands 1 [0 0] 1} {hundreds 10 [9 0] 1} {tens 10 [9 0] 1} {ones 10 [4 6] 0}]", 2, "[1000]", 3, all, 7},
		{"taking, one swap", "62-38", "[{tens 6 [6] 0} {ones 12 [2] 10}]", 2, "[60 2]", 2, "[small-parts free-way]", 5},
		{"taking over a zero", "503-128", "[{hundreds 5 [5] 0} {tens 10 [0] 10} {ones 13 [3] 10}]", 2, "[500 3]", 2, "[small-parts free-way]", 6},
		{"taking from a place that gives on", "523-138", "[{hundreds 5 [5] 0} {tens 11 [2] 10} {ones 13 [3] 10}]", 2, "[500 20 3]", 2, "[small-parts free-way]", 6},
		{"nothing is taken", "100-0", "[{hundreds 1 [1] 0}]", 2, "[100]", 2, "[free-way]", 4},
		{"shared with a rest", "97/4", "[{tens 9 [9] 0} {ones 17 [7] 10}]", 4, "[90 7]", 5, "[small-parts free-way]", 5},
		{"in groups", "52:4", "[{tens 5 [5] 0} {ones 52 [2] 50}]", 1, "[50 2]", 2, "[small-parts free-way]", 8},
		{"equal trays", "26*3", "[{tens 7 [2 2 2] 1} {ones 18 [6 6 6] 0}]", 3, "[70 8]", 4, "[small-parts free-way]", 5},
		{"cards alone", "9000+1000", "[]", 2, "[10000]", 3, "[free-way]", 5},
		{"cards alone, by the number taken from", "10000-1", "[]", 2, "[10000]", 2, "[free-way]", 6},
	} {
		t.Run(c.name, func(t *testing.T) {
			n := needs(t, c.text)
			if fmt.Sprint(n.Pieces) != c.pieces || len(n.SmallCards) != c.small || fmt.Sprint(n.LargeCards) != c.large || fmt.Sprint(n.Cautions) != c.cautions || n.Minutes != c.minutes || n.Trays != c.trays {
				t.Errorf("got %v, %d small, large %v, %v, %d min, %d trays", n.Pieces, len(n.SmallCards), n.LargeCards, n.Cautions, n.Minutes, n.Trays)
			}
			if n.CardsAlone != (len(n.Pieces) == 0) {
				t.Error("without pieces cards do the work alone")
			}
		})
	}
}

// Of joining what the trays take and what comes up is what lies there at the
// fullest moment; of sharing the store hands out ten for each that goes down.
func TestNeedsAddUp(t *testing.T) {
	rng := rand.New(rand.NewPCG(9, 9))
	for range 1_000 {
		a, b, sharers := rng.IntN(5_000), rng.IntN(5_000), 2+rng.IntN(8)
		for _, p := range needs(t, fmt.Sprintf("%d+%d", a, b)).Pieces {
			if p.Trays[0]+p.Trays[1]+p.Up != p.Fullest {
				t.Fatalf("%d+%d: %+v does not add up", a, b, p)
			}
		}
		tr, handed := worked(t, fmt.Sprintf("%d/%d", a+b, sharers)), 0
		for _, p := range material.For(tr.Trace).Pieces {
			handed += p.Up
		}
		if handed != 10*len(tr.Swaps) {
			t.Fatalf("%d/%d: %d handed out in %d swaps", a+b, sharers, handed, len(tr.Swaps))
		}
	}
}

func TestParseKind(t *testing.T) {
	for _, good := range []string{"beads", "blocks", "drawings"} {
		if k, err := material.ParseKind(good); err != nil || string(k) != good {
			t.Errorf("%s: %v, %v", good, k, err)
		}
	}
	if _, err := material.ParseKind("pebbles"); !errors.Is(err, material.ErrKind) {
		t.Errorf("pebbles: %v", err)
	}
	if material.CanLayOut(10_000) || !material.CanLayOut(9_999) {
		t.Error("9,999 is the most that can be laid out")
	}
}
