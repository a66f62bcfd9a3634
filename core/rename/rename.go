// Package rename has every way of laying a number with ones, tens, hundreds and
// thousands, of any of which more than nine may lie: 34 as 3 tens and 4 ones, as 2 tens
// and 14 ones, as 34 ones. They are counted exactly, and each can be fetched by its index,
// so that one can be drawn uniformly.
package rename

import (
	"sync"

	"vineswap/core/piece"
	"vineswap/core/place"
)

// Most is how many pieces of a kind there can be on a tray.
const Most = 99

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
	var list []piece.Holding
	for swaps, all := 0, Ways(n); uint64(len(list)) < min(all, uint64(most)); swaps++ {
		list = append(list, After(n, swaps)...)
	}
	return list[:min(len(list), most)]
}

// Index is the index of a way in the order of Nth.
func Index(n place.Number, way piece.Holding) uint64 {
	left := int(n)
	var index uint64
	for range way.At(place.Thousands) {
		index += below(left)
		left -= 1000
	}
	for range way.At(place.Hundreds) {
		index += uint64(left/10) + 1
		left -= 100
	}
	return index + uint64(way.At(place.Tens))
}

// Down is how many of each place are swapped for ten of the next lower one, to come from
// the usual way of a number to another one.
func Down(n place.Number, way piece.Holding) (thousands, hundreds, tens int) {
	thousands = int(n)/1000 - way.At(place.Thousands)
	hundreds = int(n)/100%10 + 10*thousands - way.At(place.Hundreds)
	tens = int(n)/10%10 + 10*hundreds - way.At(place.Tens)
	return thousands, hundreds, tens
}

// After lists the ways that lie so many swaps from the usual one.
func After(n place.Number, swaps int) []piece.Holding {
	var list []piece.Holding
	thousands, hundreds, tens, ones := int(n)/1000, int(n)/100%10, int(n)/10%10, int(n)%10
	for a := 0; a <= min(swaps, thousands); a++ {
		for b := 0; b <= min(swaps-a, hundreds+10*a); b++ {
			if c := swaps - a - b; c <= tens+10*b {
				list = append(list, holding(thousands-a, hundreds+10*a-b, tens+10*b-c, ones+10*c))
			}
		}
	}
	return list
}

// TooMany is a place of which more than Most pieces lie, the highest; false where a tray
// holds the way.
func TooMany(way piece.Holding) (place.Place, bool) {
	for p := place.Thousands; p >= place.Ones; p-- {
		if way.At(p) > Most {
			return p, true
		}
	}
	return place.Ones, false
}

// Fits tells whether a tray holds the way: at most Most of a kind.
func Fits(way piece.Holding) bool {
	_, tooMany := TooMany(way)
	return !tooMany
}

// trays has, for each number of at most four digits, how many of its ways a tray holds:
// with ones and tens alone, with hundreds too, and all.
var trays = sync.OnceValue(func() (t struct{ tens, hundreds, all [10_000]int32 }) {
	for n := range t.all {
		t.tens[n] = int32(max(0, min(n/10, Most)-least(n)+1))
		t.hundreds[n], t.all[n] = t.tens[n], 0
		if n >= 100 { // there are never more than 99 hundreds
			t.hundreds[n] += t.hundreds[n-100]
		}
		t.all[n] = t.hundreds[n]
		if n >= 1000 {
			t.all[n] += t.all[n-1000]
		}
	}
	return t
})

// least is the fewest tens beside which a tray holds the ones that are left of some.
func least(n int) int { return (max(0, n-Most) + 9) / 10 }

// OnTray counts the ways of a number of at most four digits that a tray holds.
func OnTray(n place.Number) int { return int(trays().all[n]) }

// NthOnTray is one of these ways by its index from 0, in the order of Nth. It panics beyond
// the last.
func NthOnTray(n place.Number, index int) piece.Holding {
	t, left, i := trays(), int(n), int32(index)
	thousands, hundreds := 0, 0
	for ; i >= t.hundreds[left]; thousands++ {
		i -= t.hundreds[left]
		left -= 1000
		if left < 0 {
			panic("rename: there is no such way on a tray")
		}
	}
	for ; i >= t.tens[left]; hundreds++ {
		i -= t.tens[left]
		left -= 100
	}
	tens := least(left) + int(i)
	return holding(thousands, hundreds, tens, left-10*tens)
}

// IndexOnTray is the index of a way in the order of NthOnTray.
func IndexOnTray(n place.Number, way piece.Holding) int {
	t, left := trays(), int(n)
	var index int32
	for range way.At(place.Thousands) {
		index += t.hundreds[left]
		left -= 1000
	}
	for range way.At(place.Hundreds) {
		index += t.tens[left]
		left -= 100
	}
	return int(index) + way.At(place.Tens) - least(left)
}

func holding(thousands, hundreds, tens, ones int) piece.Holding {
	var h piece.Holding
	h[piece.Of(place.Ones)], h[piece.Of(place.Tens)] = int16(ones), int16(tens)
	h[piece.Of(place.Hundreds)], h[piece.Of(place.Thousands)] = int16(hundreds), int16(thousands)
	return h
}
