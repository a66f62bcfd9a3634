package choose

import (
	"vineswap/core/place"
	"vineswap/core/problem"
)

// Digits is a set of digits, one bit each.
type Digits uint16

// Has tells whether the digit is in the set.
func (d Digits) Has(digit int) bool { return d>>digit&1 == 1 }

// List returns the digits in order.
func (d Digits) List() []int {
	list := []int{}
	for digit := range tenOver {
		if d.Has(digit) {
			list = append(list, digit)
		}
	}
	return list
}

// Lane is what can stand in one place over all problems that fit.
type Lane struct {
	Place  place.Place
	Number []Digits // by number in written order; none where a number has no digit here
	Sum    Digits   // what can be written of the result
}

// Lanes returns, for each place from the ones up, exactly the digits that occur
// in some problem that fits, and how many can share or how many trays there can
// be. Problems that are left out count as fitting.
func (s *Space) Lanes() (lanes []Lane, by Digits) {
	lanes = make([]Lane, s.choice.Top()+1)
	for p := range lanes {
		lanes[p] = Lane{Place: place.Place(p), Number: make([]Digits, len(s.choice.Digits))}
	}
	live := []bool{true} // the states that some problem passes
	for p := range s.columns {
		col := &s.columns[p]
		good := make([]bool, len(col.profiles))
		next := make([]bool, len(s.states[p+1]))
		for i, yes := range live {
			for f, to := range s.edges[p][i] {
				if !yes || to < 0 || s.rest[p+1][to].IsZero() {
					continue
				}
				good[f], next[to] = true, true
				if !col.by {
					lanes[col.place].Sum |= 1 << s.written(col, s.states[p][i], col.profiles[f])
				}
			}
		}
		for j, digits := range col.occurring(good) {
			if col.by {
				by = digits
			} else {
				lanes[col.place].Number[col.slots[j].number] = digits
			}
		}
		live = next
	}
	return lanes, by
}

// written is the digit of the result in a column.
func (s *Space) written(col *column, from state, f profile) int {
	var out outcome
	switch s.choice.kind() {
	case problem.Difference:
		out, _ = s.take(col, &from, f)
	case problem.Sharing:
		out, _ = s.share(col, from, f)
	case problem.Trays:
		out, _ = s.fillTrays(from, f)
	default:
		out, _ = s.join(col, from, f)
	}
	return out.stays
}

// occurring returns, for each slot, the digits on some way to a good filling.
func (c *column) occurring(good []bool) []Digits {
	found := make([]Digits, len(c.slots))
	for j := len(c.slots) - 1; j >= 0; j-- {
		before := make([]bool, len(c.layers[j]))
		for n := range c.layers[j] {
			for d, to := range c.layers[j][n].next {
				if to >= 0 && good[to] {
					before[n] = true
					found[j] |= 1 << d
				}
			}
		}
		good = before
	}
	return found
}
