package sheet

import (
	"fmt"
	"math/rand/v2"
	"slices"

	"vineswap/core/number"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/task"
)

// Facts are the facts of a minute.
type Facts string

// The facts of a minute.
const (
	Bonds     Facts = "bonds"      // what is missing to ten
	Doubles   Facts = "doubles"    // 6 + 6
	UpToTen   Facts = "up-to-ten"  // sums of two digits, at most ten
	OverTen   Facts = "over-ten"   // and more than ten
	TakeFacts Facts = "take-facts" // a digit from at most 18, ending below ten
)

// AllFacts returns the facts of a minute.
func AllFacts() []Facts { return []Facts{Bonds, Doubles, UpToTen, OverTen, TakeFacts} }

// Timed is what a child came to in a minute of facts, or in as many seconds as were set.
type Timed struct {
	Facts        Facts
	Seconds      int
	Tried, Right int
}

// Limits of a minute.
const (
	LeastSeconds = 10
	MostSeconds  = 600
	MostTried    = 200
)

// ErrMinute is the error of a minute that cannot have been.
var ErrMinute = fmt.Errorf("a child tries 0 to %d facts in %d to %d seconds, and has at most as many right", MostTried, LeastSeconds, MostSeconds)

// Valid tells why the minute cannot be kept; nil when it can.
func (m Timed) Valid() error {
	if !slices.Contains(AllFacts(), m.Facts) {
		return ErrFacts
	}
	if m.Seconds < LeastSeconds || m.Seconds > MostSeconds || m.Tried < 0 || m.Tried > MostTried || m.Right < 0 || m.Right > m.Tried {
		return ErrMinute
	}
	return nil
}

// all lists the facts of a kind, each once.
func (f Facts) all() []task.Task {
	var list []task.Task
	add := func(a, b place.Number) { list = append(list, problem.SumOf(a, b).Task()) }
	for a := place.Number(1); a <= 9; a++ {
		switch f {
		case Bonds:
			list = append(list, number.Asked{Number: a, Shown: number.Numeral, Answered: number.ToTen}.Task())
		case Doubles:
			add(a, a)
		}
		for b := place.Number(1); b <= 9; b++ {
			switch {
			case f == UpToTen && a+b <= 10, f == OverTen && a+b > 10:
				add(a, b)
			case f == TakeFacts:
				list = append(list, problem.Of(problem.Difference, a+b, b).Task())
			}
		}
	}
	return list
}

// facts draws the facts of a minute: all of them mixed, and again as often as they are needed,
// never the same twice running.
func (s Spec) facts(seed uint64) []Item {
	all := s.Facts.all()
	rng := rand.New(rand.NewPCG(seed, 3))
	var items []Item
	for len(items) < s.Count {
		rng.Shuffle(len(all), func(i, j int) { all[i], all[j] = all[j], all[i] })
		if n := len(items); n > 0 && all[0].Key() == items[n-1].Task.Key() {
			all[0], all[1] = all[1], all[0]
		}
		for _, t := range all[:min(len(all), s.Count-len(items))] {
			items = append(items, Item{Task: t})
		}
	}
	return items
}
