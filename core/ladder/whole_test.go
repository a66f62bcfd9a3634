package ladder_test

import (
	"math/rand/v2"
	"testing"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/place"
	"vineswap/core/problem"
)

// A slate among those of the whole class counts for a child as any other record does, and still
// no adult was with the child: it waits for a lesson as before. Over seeded days of both.
func TestSlatesAreNoLesson(t *testing.T) {
	for seed := range uint64(60) {
		rng := rand.New(rand.NewPCG(seed, 5))
		var events, alike []ladder.Event
		near := book.Day(0)
		for n := range 30 {
			day := book.Day(20_000 + n)
			o := book.Observation{Task: problem.SumOf(place.Number(17+rng.IntN(60)), 25).Task(), Stage: choose.OneSwapOnes, Manner: book.Column, Help: book.Alone, Came: book.Marked, Runs: 1, Day: day, Whole: rng.IntN(3) > 0}
			o.Answer = o.Task.Result()
			if rng.IntN(4) == 0 {
				o.Came, o.Answer = book.Typed, "9"
			}
			if !o.Whole {
				near = day
			}
			e := ladder.Saw(o)
			e.Seq = int64(n + 1)
			events = append(events, e)
			o.Whole = false
			e = ladder.Saw(o)
			e.Seq = int64(n + 1)
			alike = append(alike, e)
			whole, single := ladder.Judge(ladder.Class{}, events), ladder.Judge(ladder.Class{}, alike)
			for key, s := range whole {
				other := single[key]
				if s.Near = other.Near; s.State != other.State || s.Beads != other.Beads || s.Last != other.Last {
					t.Fatalf("seed %d, day %d: %+v on slates, %+v alone", seed, n, s, other)
				}
			}
			child := ladder.Child{Standings: ladder.Judge(ladder.Class{}, events)}
			if last, seen := child.LastSeen(); last != near || seen != (near != 0) {
				t.Fatalf("seed %d, day %d: seen last on %v, %v; wanted %v", seed, n, last, seen, near)
			}
		}
	}
}
