package choose

import "vineswap/core/place"

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
	Sum    Digits   // what can be written under the line
}

// Lanes returns, for each place from the ones up, exactly the digits that
// occur in some problem that fits.
func (s *Space) Lanes() []Lane {
	lanes := make([]Lane, len(s.columns))
	reached := map[state]bool{{}: true}
	for p := range s.columns {
		lanes[p] = Lane{Place: place.Place(p), Number: make([]Digits, len(s.choice.Digits))}
		var good tuples // own sums and zero flags that some problem has here
		next := map[state]bool{}
		for from := range reached {
			s.each(p, from, func(own int, zero bool, _ uint64, _ Count) bool {
				good[own][bit(zero)] = 1
				lanes[p].Sum |= 1 << ((own + from.carry) % tenOver)
				to, _ := s.after(p, from, own, zero)
				next[to] = true
				return true
			})
		}
		for j, number := range s.columns[p].numbers {
			lanes[p].Number[number] = s.columns[p].occurring(j, good)
		}
		reached = next
	}
	return lanes
}

// occurring returns the digits that the j-th number of a column has in some
// good filling.
func (c *column) occurring(j int, good tuples) Digits {
	others := append(append([]int{}, c.lowest[:j]...), c.lowest[j+1:]...)
	ways := fillings(others)[0]
	var found Digits
	for d := c.lowest[j]; d <= topDigit; d++ {
		for sum := 0; sum <= topDigit*len(others); sum++ {
			with := ways[sum][1] > 0 && good[sum+d][1] > 0
			without := ways[sum][0] > 0 && good[sum+d][bit(d == 0)] > 0
			if with || without {
				found |= 1 << d
			}
		}
	}
	return found
}
