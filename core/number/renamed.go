package number

import (
	"slices"
	"sort"
	"sync"

	"vineswap/core/piece"
	"vineswap/core/place"
	"vineswap/core/rename"
)

// Swaps is how far a way of laying a number lies from its usual one.
type Swaps string

// One swap down, two of them, or more.
const (
	OneSwap   Swaps = "one"
	TwoSwaps  Swaps = "two"
	MoreSwaps Swaps = "more"
)

// swapsSides are the sides of Swaps.
var swapsSides = []Swaps{OneSwap, TwoSwaps, MoreSwaps}

// renamed tells whether the number is shown or answered in another way than its usual one.
func (w way) renamed() bool {
	return w.shown == Renamed || w.shown == Unswapped || w.answered == Rename
}

// onTray tells whether the renamed number is laid with pieces.
func (w way) onTray() bool {
	return w.shown == Unswapped || w.shown == Pieces || w.answered == Lay
}

// Holding is how the number lies: in the way that is asked for, or as usual.
func (a Asked) Holding() piece.Holding {
	if a.renames() {
		return rename.Nth(a.Number, uint64(a.Way))
	}
	return usual(a.Number)
}

// renames tells whether the number is asked in another way than its usual one.
func (a Asked) renames() bool { return (way{shown: a.Shown, answered: a.Answered}).renamed() }

func usual(n place.Number) piece.Holding {
	var h piece.Holding
	for p := n.Top(); p >= place.Ones; p-- {
		h[piece.Of(p)] = int16(n.Digit(p))
	}
	return h
}

// usualWay is the index of the usual way: the last of all.
func usualWay(n place.Number) uint64 { return rename.Ways(n) - 1 }

// Blank is the place whose count is asked where a number is renamed: the lowest of which
// ten or more lie.
func (a Asked) Blank() place.Place {
	way := a.Holding()
	for p := place.Ones; p < place.Thousands; p++ {
		if way.At(p) >= 10 {
			return p
		}
	}
	return place.Ones
}

// InAll is the place of which all are counted, for “how many tens?” and “how many
// hundreds?”; false for another question.
func (a Asked) InAll() (place.Place, bool) {
	switch a.Answered {
	case HowMany:
		return place.Tens, true
	case Hundreds:
		return place.Hundreds, true
	}
	return place.Ones, false
}

// swapsDown tells whether the number is laid as usual and swapped down, for the question how
// many of a kind there are.
func (a Asked) swapsDown() bool {
	p, all := a.InAll()
	return a.Answered == Rename || all && a.large() && rename.Fits(inAll(a.Number, p))
}

// inAll is how a number lies when all that can be are of one place.
func inAll(n place.Number, p place.Place) piece.Holding {
	way := usual(n % place.Number(p.Unit()))
	way[piece.Of(p)] = int16(int(n) / p.Unit())
	return way
}

// renamings are all ways but the usual one of the numbers of some lengths, by how many swaps
// lead there.
type renamings struct {
	way
	numbers lengths
	swaps   []Swaps
	upTo    []int // how many there are up to each number, in the order of the numbers
}

// counts are how many ways a number has: after one swap, after two, in all, and how many of
// all a tray holds.
type counts struct {
	one, two uint8
	zero     bool // a 0 is among its digits
	all      uint32
	tray     uint16
}

// countsOf has them for each number that is laid with pieces.
var countsOf = sync.OnceValue(func() *[MostLaid + 1]counts {
	var all [MostLaid + 1]counts
	for i := range all {
		n := place.Number(i)
		all[i] = counts{oneSwap(n), twoSwaps(n), hasZero(n), uint32(rename.Ways(n)), uint16(rename.OnTray(n))}
	}
	return &all
})

func ofRenamings(w way, n lengths, swaps []Swaps) renamings {
	r := renamings{way: w, numbers: n, swaps: swaps}
	if len(n.digits) > 0 {
		r.upTo = make([]int, 0, n.count())
	}
	one, two, more, tray := slices.Contains(swaps, OneSwap), slices.Contains(swaps, TwoSwaps), slices.Contains(swaps, MoreSwaps), w.onTray()
	table := countsOf()
	sum := 0
	for _, digits := range n.digits {
		for _, c := range table[power(10, digits-1):power(10, digits)] {
			if n.zeros != AnyZeros && c.zero != (n.zeros == WithZeros) {
				continue
			}
			if one {
				sum += int(c.one)
			}
			if two {
				sum += int(c.two)
			}
			if all := int(c.all); more {
				if tray {
					all = int(c.tray)
				}
				sum += all - 1 - int(c.one) - int(c.two)
			}
			r.upTo = append(r.upTo, sum)
		}
	}
	return r
}

func (r renamings) asks() way { return r.way }

func (r renamings) count() int {
	if len(r.upTo) == 0 {
		return 0
	}
	return r.upTo[len(r.upTo)-1]
}

// oneSwap counts the ways after one swap: one for each place that has something to swap.
func oneSwap(n place.Number) uint8 {
	var count uint8
	for p := place.Tens; p <= place.Thousands; p++ {
		if n.Digit(p) > 0 {
			count++
		}
	}
	return count
}

// twoSwaps counts the ways after two: one from each of two places, where the lower one has
// something or gets ten from above, or two from one.
func twoSwaps(n place.Number) uint8 {
	var count uint8
	for p := place.Tens; p <= place.Thousands; p++ {
		if n.Digit(p) > 1 {
			count++
		}
		for higher := p + 1; higher <= place.Thousands; higher++ {
			if n.Digit(higher) > 0 && (n.Digit(p) > 0 || higher == p+1) {
				count++
			}
		}
	}
	return count
}

func (r renamings) nth(i int) Asked {
	at := sort.SearchInts(r.upTo, i+1)
	if at > 0 {
		i -= r.upTo[at-1]
	}
	n := r.numbers.nth(at)
	return Asked{Number: n, Shown: r.shown, Answered: r.answered, Way: uint32(r.index(n, i))}
}

// index is the index among all ways of a number of the i-th of those that are asked for.
func (r renamings) index(n place.Number, i int) uint64 {
	for _, s := range r.swaps {
		near := map[Swaps]int{OneSwap: 1, TwoSwaps: 2}[s]
		if near == 0 {
			continue
		}
		ways := rename.After(n, near)
		if i < len(ways) {
			return rename.Index(n, ways[i])
		}
		i -= len(ways)
	}
	return r.further(n, i)
}

// further is the i-th way that lies three swaps or more away: those nearer are passed over.
func (r renamings) further(n place.Number, i int) uint64 {
	at := func(way piece.Holding) int { return int(rename.Index(n, way)) }
	if r.onTray() {
		at = func(way piece.Holding) int { return rename.IndexOnTray(n, way) }
	}
	var near []int
	for swaps := range 3 {
		for _, way := range rename.After(n, swaps) {
			near = append(near, at(way))
		}
	}
	slices.Sort(near)
	for _, k := range near {
		if k <= i {
			i++
		}
	}
	if r.onTray() {
		return rename.Index(n, rename.NthOnTray(n, i))
	}
	return uint64(i)
}

func (r renamings) has(a Asked) bool {
	if a.Shown != r.shown || a.Answered != r.answered || a.Valid() != nil || !r.numbers.has(a.Number) {
		return false
	}
	thousands, hundreds, tens := rename.Down(a.Number, a.Holding())
	side := MoreSwaps
	switch thousands + hundreds + tens {
	case 1:
		side = OneSwap
	case 2:
		side = TwoSwaps
	}
	return slices.Contains(r.swaps, side)
}
