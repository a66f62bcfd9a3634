package trial

import (
	"fmt"
	"math"
	"math/rand/v2"
	"slices"

	"vineswap/core/book"
	"vineswap/core/turns"
)

// TurnsOptions are those of a trial of turns.
type TurnsOptions struct {
	Children int
	Asked    int     // a day
	Away     float64 // the share of children who are away on a day
	Days     int     // school days
	Seed     uint64
}

// TurnsOf is a class such as it is asked for: 24 children, ten asked a day, some away.
func TurnsOf(seed uint64) TurnsOptions {
	return TurnsOptions{Children: 24, Asked: 10, Away: 0.08, Days: 190, Seed: seed}
}

// TurnsRow is how one way of choosing who explains does over a school year.
type TurnsRow struct {
	Name    string
	Longest int     // school days on which a child was here and did not explain, one after another
	Mean    float64 // of all such waits
	Spread  float64 // standard deviation of how often a child explains in a week
	Fewest  int     // times that a child explained in a week
	Most    int
}

// Turns lets a class explain for a year, by the queue and by drawing at random.
func Turns(o TurnsOptions) []TurnsRow {
	return []TurnsRow{
		o.run("the queue", func(k turns.Known, here []string, today book.Day, _ *rand.Rand) string {
			return k.Queue(here, today)[0].Child
		}),
		o.run("at random", func(_ turns.Known, here []string, _ book.Day, rng *rand.Rand) string {
			return here[rng.IntN(len(here))]
		}),
	}
}

func (o TurnsOptions) run(name string, choose func(turns.Known, []string, book.Day, *rand.Rand) string) TurnsRow {
	rng := rand.New(rand.NewPCG(o.Seed, 7))
	known := turns.Known{Since: map[string]book.Day{}}
	waits, times, row := make([]int, o.Children), make([]int, o.Children), TurnsRow{Name: name}
	day := book.Day(20_696) // a Monday
	var all, weeks []float64
	for n := range o.Days {
		here, at := o.here(rng)
		if n == 0 {
			for i := range o.Children {
				known.Since[idOf(i)] = day
			}
		}
		asked := map[int]int{}
		for range min(o.Asked, len(here)) {
			child := choose(known, here, day, rng)
			asked[at[child]]++
			known.Turns = append(known.Turns, turns.Turn{Child: child, Day: day, Seq: int64(len(known.Turns) + 1), Took: true})
		}
		known.Turns = lately(known.Turns, day)
		for _, child := range here {
			i := at[child]
			times[i] += asked[i]
			if asked[i] == 0 {
				waits[i]++
				row.Longest = max(row.Longest, waits[i])
				continue
			}
			all = append(all, float64(waits[i]))
			waits[i] = 0
		}
		if n%inWeek == inWeek-1 {
			for i := range times {
				weeks = append(weeks, float64(times[i]))
				times[i] = 0
			}
		}
		if day++; n%inWeek == inWeek-1 {
			day += 2
		}
	}
	row.Mean, _ = meanSpread(all)
	_, row.Spread = meanSpread(weeks)
	row.Fewest, row.Most = int(slices.Min(weeks)), int(slices.Max(weeks))
	return row
}

const inWeek = 5

// lately are the turns of the last six weeks: so many are read.
func lately(list []turns.Turn, today book.Day) []turns.Turn {
	for len(list) > 0 && list[0].Day < today-42 {
		list = list[1:]
	}
	return list
}

func (o TurnsOptions) here(rng *rand.Rand) (ids []string, at map[string]int) {
	at = map[string]int{}
	for i := range o.Children {
		if rng.Float64() >= o.Away {
			ids = append(ids, idOf(i))
			at[idOf(i)] = i
		}
	}
	return ids, at
}

func idOf(i int) string { return fmt.Sprint("child-", i) }

func meanSpread(list []float64) (mean, spread float64) {
	for _, x := range list {
		mean += x / float64(len(list))
	}
	for _, x := range list {
		spread += (x - mean) * (x - mean) / float64(len(list))
	}
	return mean, math.Sqrt(spread)
}
