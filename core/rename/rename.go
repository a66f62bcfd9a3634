// Package rename has every way of laying a number with ones, tens, hundreds and
// thousands, of any of which more than nine may lie: 34 as 3 tens and 4 ones, as 2 tens
// and 14 ones, as 34 ones. They are counted exactly, and each can be fetched by its index,
// so that one can be drawn uniformly.
package rename

import (
	"vineswap/core/piece"
	"vineswap/core/place"
)

// Ways counts the ways of a number of at most six digits.
func Ways(n place.Number) uint64 {
	var ways uint64
	for thousands := 0; thousands <= int(n)/1000; thousands++ {
		ways += below(int(n) - 1000*thousands)
	}
	return ways
}

// below counts the ways of laying some with ones, tens and hundreds: with each count of
// hundreds there are as many as there can be tens, and none.
func below(n int) uint64 {
	hundreds, tens := uint64(n/100), uint64(n/10)
	return (hundreds+1)*(tens+1) - 5*hundreds*(hundreds+1)
}

// Nth is one of the ways of a number of at most four digits, by its index from 0: those
// with fewer thousands come first, then those with fewer hundreds and tens. It panics
// beyond the last.
func Nth(n place.Number, index uint64) piece.Holding {
	left := int(n)
	thousands := 0
	for ; index >= below(left); thousands++ {
		index -= below(left)
		left -= 1000
		if left < 0 {
			panic("rename: there is no such way")
		}
	}
	hundreds := 0
	for ; index > uint64(left/10); hundreds++ {
		index -= uint64(left/10) + 1
		left -= 100
	}
	return holding(thousands, hundreds, int(index), left-10*int(index))
}

// First lists ways of a number, at most so many: those with the fewest pieces first, then
// those with more of the higher piece. Each swap down makes nine pieces more, so they come
// by the number of swaps that lead there from the usual way.
func First(n place.Number, most int) []piece.Holding {
	thousands, hundreds, tens, ones := int(n)/1000, int(n)/100%10, int(n)/10%10, int(n)%10
	var list []piece.Holding
	for swaps, all := 0, Ways(n); uint64(len(list)) < min(all, uint64(most)); swaps++ {
		for a := 0; a <= min(swaps, thousands); a++ { // thousands swapped for hundreds
			for b := 0; b <= min(swaps-a, hundreds+10*a); b++ { // hundreds for tens
				c := swaps - a - b // tens for ones
				if c > tens+10*b || len(list) == most {
					continue
				}
				list = append(list, holding(thousands-a, hundreds+10*a-b, tens+10*b-c, ones+10*c))
			}
		}
	}
	return list
}

func holding(thousands, hundreds, tens, ones int) piece.Holding {
	var h piece.Holding
	for p, n := range map[place.Place]int{place.Ones: ones, place.Tens: tens, place.Hundreds: hundreds, place.Thousands: thousands} {
		h[piece.Of(p)] = int16(n)
	}
	return h
}
