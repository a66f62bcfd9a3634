package turns_test

import (
	"fmt"
	"math/rand/v2"
	"slices"
	"testing"

	"vineswap/core/book"
	"vineswap/core/turns"
)

// Monday is a Monday; the days of a week follow it.
const monday book.Day = 20_780

func took(child string, day book.Day, seq int64) turns.Turn {
	return turns.Turn{Child: child, Day: day, Seq: seq, Took: true}
}

// Who stands where in the queue, and why.
func TestQueue(t *testing.T) {
	since := map[string]book.Day{"ada": monday - 30, "bo": monday - 30, "cy": monday - 30, "di": monday - 30}
	thursday := monday + 3
	for name, c := range map[string]struct {
		known turns.Known
		want  string
	}{
		"nobody has explained": {turns.Known{}, "never never never never"},
		"the one who explained last comes last": {turns.Known{Turns: []turns.Turn{took("ada", monday, 1), took("bo", monday, 2), took("cy", thursday-1, 3), took("di", thursday, 4)}},
			"ada waited 3, bo waited 3, cy fewest 1, di turn-before 0"},
		"who was passed by today waits behind the others": {turns.Known{Turns: []turns.Turn{took("ada", monday, 1), took("bo", monday+1, 2), took("cy", monday+1, 3), took("di", monday+2, 4), {Child: "ada", Day: thursday, Seq: 5}}},
			"bo waited 2, cy waited 2, di fewest 1, ada was-passed 3"},
		"whose slate was not read comes before one who waited as long": {turns.Known{Turns: []turns.Turn{took("ada", monday+2, 1), took("bo", monday+2, 2), took("cy", monday+2, 3), took("di", monday+2, 4)}, Unread: []turns.Unread{{"cy", thursday}, {"bo", monday}, {"cy", monday}}},
			"cy not-read 1, bo not-read 1, ada fewest 1, di fewest 1"},
		"a week-end counts for nothing": {turns.Known{Turns: []turns.Turn{took("ada", monday-3, 1), took("bo", monday-3, 2), took("cy", monday+1, 3), took("di", monday+1, 4)}},
			"ada waited 4, bo waited 4, cy waited 2, di waited 2"},
	} {
		c.known.Since = since
		got := ""
		for i, p := range c.known.Queue([]string{"di", "cy", "bo", "ada"}, thursday) {
			if i > 0 {
				got += ", "
			}
			got += fmt.Sprintf("%s %s %d", p.Child, p.Why, p.Waits)
		}
		if name == "nobody has explained" {
			if p := c.known.Queue([]string{"di", "ada"}, thursday); p[0].Why != turns.Never || p[0].Waits != p[1].Waits {
				t.Errorf("%s: %+v", name, p)
			}
			continue
		}
		if got != c.want {
			t.Errorf("%s: %s, wanted %s", name, got, c.want)
		}
	}
}

// Over seeded weeks with absences: every child here stands in the queue once, facts are those
// of the records, and nobody who is here waits more than four school days.
func TestNobodyIsForgotten(t *testing.T) {
	for seed := range uint64(40) {
		rng := rand.New(rand.NewPCG(seed, 1))
		k := turns.Known{Since: map[string]book.Day{}}
		waits := map[string]int{}
		for i := range 24 {
			k.Since[fmt.Sprint(i)] = monday
		}
		for n := range 40 {
			day := monday + book.Day(n/5*7+n%5)
			var here []string
			for i := range 24 {
				if rng.IntN(12) > 0 {
					here = append(here, fmt.Sprint(i))
				}
			}
			asked := map[string]bool{}
			for range 10 {
				queue := k.Queue(here, day)
				ids := make([]string, len(queue))
				for i, p := range queue {
					ids[i] = p.Child
					checkFacts(t, k, p.Facts, day)
				}
				slices.Sort(ids)
				if sorted := slices.Sorted(slices.Values(here)); !slices.Equal(ids, sorted) {
					t.Fatalf("seed %d: %v stand in the queue of %v", seed, ids, sorted)
				}
				asked[queue[0].Child] = true
				k.Turns = append(k.Turns, took(queue[0].Child, day, int64(len(k.Turns)+1)))
			}
			for _, child := range here {
				if waits[child]++; asked[child] {
					waits[child] = 0
				}
				if waits[child] > 4 {
					t.Fatalf("seed %d, day %d: %s waits %d days", seed, n, child, waits[child])
				}
			}
		}
	}
}

// checkFacts works the facts of a child out anew, from all turns.
func checkFacts(t *testing.T, k turns.Known, f turns.Facts, today book.Day) {
	t.Helper()
	week, last, ever := 0, k.Since[f.Child], false
	for _, turn := range k.Turns {
		if turn.Child == f.Child && turn.Took {
			ever, last = true, turn.Day
			if turn.Day.Week() == today.Week() {
				week++
			}
		}
	}
	if f.Ever != ever || f.ThisWeek != week || f.Waits != last.SchoolDays(today) || f.Today != (ever && last == today) {
		t.Fatalf("%+v, but %d this week, last on %v", f, week, last)
	}
}
