package choose

import (
	"cmp"
	"slices"

	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/task"
)

// Spread draws a set of n different problems for a sheet or a row of lessons: the
// ways of swapping that the choice leaves open in parts as equal as they can be,
// the gentle ones first, the digits that meet as varied as the draw allows, and
// no two alike, also not with the same numbers in another order. There are fewer
// where fewer fit. The same seed gives the same set.
func (s *Space) Spread(n int, seed uint64) [][]place.Number {
	parts := s.parts(n)
	picked := picking{seen: map[[2]int]int{}, alike: map[string]bool{}, kind: s.choice.kind()}
	for n > 0 && len(parts) > 0 {
		share := max(1, n/len(parts))
		extra := n - share*len(parts)
		var open []part
		for i, p := range parts {
			want := min(share+bit(i < extra), n)
			got := picked.from(p, want, seed+uint64(i))
			if n -= got; got == want {
				open = append(open, p)
			}
		}
		parts = open // what the others lack is drawn from those that have more
		seed += 1_000_003
	}
	return picked.gentle(s.choice)
}

// part is one way of swapping, with the problems of it.
type part struct {
	rank  int // gentler ones are smaller
	space *Space
}

// parts splits a space by which places swap, the gentle ways first: at most n of
// them, evenly from the gentle to the hard.
func (s *Space) parts(n int) []part {
	var all []part
	var split func(c Choice, p place.Place, swaps tally)
	split = func(c Choice, p place.Place, swaps tally) {
		if p > c.Top() {
			space, err := c.Space()
			if err != nil {
				return
			}
			if space = space.leavingOut(s); !space.Fits().IsZero() {
				all = append(all, part{gentleness(swaps), space})
			}
			return
		}
		for _, w := range []Want{No, Yes} {
			if c.Swap[p].allows(w == Yes) {
				tied := c
				tied.Swap[p] = w
				if !tied.fits().IsZero() {
					split(tied, p+1, swaps.with(p, bit(w == Yes)))
				}
			}
		}
	}
	split(s.choice, place.Ones, tally{})
	slices.SortStableFunc(all, func(a, b part) int { return a.rank - b.rank })
	if len(all) <= n {
		return all
	}
	some := make([]part, n)
	for i := range some {
		some[i] = all[i*len(all)/n]
	}
	return some
}

// leavingOut leaves the problems out that another space leaves out.
func (s *Space) leavingOut(other *Space) *Space {
	var problems [][]place.Number
	for _, index := range other.skip {
		problems = append(problems, other.at(index))
	}
	return s.Except(problems)
}

// tally is how many swaps there are in each place.
type tally [place.Count]int

// with returns the tally with the swaps of one place set.
func (t tally) with(p place.Place, swaps int) tally {
	t[p] = swaps
	return t
}

// gentleness orders ways of swapping: fewer swaps first, then lower ones.
func gentleness(swaps tally) int {
	rank := 0
	for p, n := range swaps {
		rank += n * (100 + p)
	}
	return rank
}

// picking is a set as it grows.
type picking struct {
	kind     task.Kind
	problems [][]place.Number
	seen     map[[2]int]int  // how often two digits have met
	alike    map[string]bool // the numbers of problems that are in it, in order of size
}

// candidates is how many problems are looked at for each that is picked.
const candidates = 6

// from picks up to n problems of a part, each the one among some drawn whose
// digits have met least, and returns how many there were.
//
// Where all that were drawn are alike with what is in the set already, more are drawn,
// until there are enough or all of them were looked at.
func (k *picking) from(p part, n int, seed uint64) int {
	got := 0
	for size := n*candidates + len(k.problems); ; size *= 4 {
		got += k.of(p.space.Draw(size, seed), n-got)
		if got == n || !CountOf(uint64(size)).Less(p.space.Fits()) || size > mostLooked+n*candidates {
			return got
		}
	}
}

// mostLooked is where it is given up to look for problems that are not alike: of 720
// orders of six numbers each is looked at this often.
const mostLooked = 400_000

// of picks up to n of the problems that were drawn.
func (k *picking) of(drawn [][]place.Number, n int) int {
	got := 0
	for ; got < n; got++ {
		best, least := -1, 0
		for i, numbers := range drawn {
			if numbers == nil || k.alike[k.key(numbers)] {
				continue
			}
			if met := k.met(numbers); best < 0 || met < least {
				best, least = i, met
			}
		}
		if best < 0 {
			break
		}
		k.add(drawn[best])
		drawn[best] = nil
	}
	return got
}

func (k *picking) add(numbers []place.Number) {
	k.alike[k.key(numbers)] = true
	for _, pair := range k.pairs(numbers) {
		k.seen[pair]++
	}
	k.problems = append(k.problems, numbers)
}

// key is the same for problems that are alike: where the order does not matter
// the numbers are sorted.
func (k *picking) key(numbers []place.Number) string {
	sorted := slices.Clone(numbers)
	if k.kind == problem.Sum {
		slices.Sort(sorted)
	}
	key := ""
	for _, n := range sorted {
		key += n.String() + " "
	}
	return key
}

func (k *picking) met(numbers []place.Number) int {
	sum := 0
	for _, pair := range k.pairs(numbers) {
		sum += k.seen[pair]
	}
	return sum
}

// pairs are the digits that meet in the columns, the smaller first, without those
// that meet nothing; for sharing and trays each digit meets the second number.
func (k *picking) pairs(numbers []place.Number) [][2]int {
	var pairs [][2]int
	for p := range place.HighestOf(numbers) + 1 {
		for i := 1; i < len(numbers); i++ {
			a, b := numbers[i-1].Digit(p), numbers[i].Digit(p)
			if k.kind == problem.Sharing || k.kind == problem.Trays {
				b = int(numbers[1])
			}
			if a > 0 && b > 0 {
				pairs = append(pairs, [2]int{min(a, b), max(a, b)})
			}
		}
	}
	return pairs
}

// gentle puts the set in order: fewer swaps first, then lower ones, then smaller
// numbers.
func (k *picking) gentle(c Choice) [][]place.Number {
	if k.problems == nil {
		return [][]place.Number{}
	}
	slices.SortStableFunc(k.problems, func(a, b []place.Number) int {
		return cmp.Or(cmp.Compare(gentleness(swapsOf(c.kind(), a)), gentleness(swapsOf(c.kind(), b))), cmp.Compare(largest(a), largest(b)))
	})
	return k.problems
}

func largest(numbers []place.Number) place.Number { return slices.Max(numbers) }

// swapsOf tells which places of a problem swap: 1 for each.
func swapsOf(kind task.Kind, numbers []place.Number) tally {
	var swaps tally
	for _, c := range problem.Of(kind, numbers...).Columns() {
		swaps[c.Place] = bit(c.Swaps)
	}
	return swaps
}
