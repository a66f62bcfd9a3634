package material_test

import (
	"errors"
	"fmt"
	"math/rand/v2"
	"testing"

	"vineswap/core/material"
	"vineswap/core/place"
	"vineswap/core/swap"
)

func TestForJoining(t *testing.T) {
	for _, c := range []struct {
		name     string
		numbers  []place.Number
		pieces   string
		large    string
		cautions string
		minutes  int
	}{
		{"no swap", []place.Number{42, 25}, "[tens 6 [4 2]+0][ones 7 [2 5]+0]", "[60 7]", "[small-parts free-way]", 4},
		{"two swaps", []place.Number{1458, 2367}, "[thousands 3 [1 2]+0][hundreds 8 [4 3]+1][tens 12 [5 6]+1][ones 15 [8 7]+0]", "[3000 800 20 5]", "[small-parts heavy-cube free-way]", 6},
		{"a new place", []place.Number{70, 40}, "[hundreds 1 [0 0]+1][tens 11 [7 4]+0]", "[100 10]", "[free-way]", 5},
		{"a swap to nothing left", []place.Number{994, 6}, "[thousands 1 [0 0]+1][hundreds 10 [9 0]+1][tens 10 [9 0]+1][ones 10 [4 6]+0]", "[1000]", "[small-parts heavy-cube free-way]", 7},
	} {
		t.Run(c.name, func(t *testing.T) {
			n := material.ForJoining(c.numbers)
			pieces := ""
			for _, p := range n.Pieces {
				pieces += fmt.Sprintf("[%v %d %v+%d]", p.Place, p.Fullest, p.Trays, p.Up)
			}
			if pieces != c.pieces || fmt.Sprint(n.LargeCards) != c.large || fmt.Sprint(n.Cautions) != c.cautions || n.Minutes != c.minutes || n.Trays != 3 {
				t.Errorf("got %s %v %v %d min %d trays", pieces, n.LargeCards, n.Cautions, n.Minutes, n.Trays)
			}
		})
	}
}

// The list is what the trace really lays: its fullest moment, and each place's
// trays with what comes up add up to it.
func TestNeedsAreTheTracesFullest(t *testing.T) {
	rng := rand.New(rand.NewPCG(9, 9))
	for range 1_000 {
		numbers := []place.Number{place.Number(rng.IntN(5_000)), place.Number(rng.IntN(5_000))}
		trace, err := swap.Solve(swap.SumOf(numbers...))
		if err != nil {
			t.Fatal(err)
		}
		var got place.Holding
		for _, p := range material.ForJoining(numbers).Pieces {
			got[p.Place] = p.Fullest
			if p.Trays[0]+p.Trays[1]+p.Up != p.Fullest {
				t.Fatalf("%v: %+v does not add up", numbers, p)
			}
		}
		if got != trace.Fullest() {
			t.Fatalf("%v: needs %v, the trace lays %v", numbers, got, trace.Fullest())
		}
	}
}

func TestParseKind(t *testing.T) {
	for _, good := range []string{"beads", "blocks"} {
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

// What taking away asks of the shelf: the fullest moment of its real order.
func TestForTaking(t *testing.T) {
	for _, c := range []struct {
		larger, smaller place.Number
		want            string // place, fullest, on the tray, from the store
		minutes         int
	}{
		{62, 38, "[{tens 6 [6] 0} {ones 12 [2] 10}]", 5},
		{503, 128, "[{hundreds 5 [5] 0} {tens 10 [0] 10} {ones 13 [3] 10}]", 6},
		{523, 138, "[{hundreds 5 [5] 0} {tens 11 [2] 10} {ones 13 [3] 10}]", 6},
		{67, 23, "[{tens 6 [6] 0} {ones 7 [7] 0}]", 4},
		{100, 0, "[{hundreds 1 [1] 0}]", 4},
	} {
		needs := material.ForTaking(c.larger, c.smaller)
		if got := fmt.Sprint(needs.Pieces); got != c.want || needs.Minutes != c.minutes || needs.Trays != 2 {
			t.Errorf("%d-%d: %s, %d minutes", c.larger, c.smaller, got, needs.Minutes)
		}
	}
	if needs := material.ForTaking(5003, 1264); fmt.Sprint(needs.Cautions) != "[small-parts heavy-cube free-way]" || fmt.Sprint(needs.LargeCards) != "[5000 3]" || len(needs.SmallCards) != 2 {
		t.Errorf("%+v", needs)
	}
}
