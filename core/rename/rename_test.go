package rename_test

import (
	"fmt"
	"math/rand/v2"
	"slices"
	"testing"

	"vineswap/core/piece"
	"vineswap/core/place"
	"vineswap/core/rename"
)

// all are the ways of a number, found by trying.
func all(n int) []piece.Holding {
	var list []piece.Holding
	for th := 0; 1000*th <= n; th++ {
		for h := 0; 1000*th+100*h <= n; h++ {
			for t := 0; 1000*th+100*h+10*t <= n; t++ {
				var way piece.Holding
				way[place.Thousands], way[place.Hundreds], way[place.Tens], way[place.Ones] = int16(th), int16(h), int16(t), int16(n-1000*th-100*h-10*t)
				list = append(list, way)
			}
		}
	}
	return list
}

func ExampleFirst() {
	for _, way := range rename.First(34, 10) {
		fmt.Println(way.At(place.Tens), "tens", way.At(place.Ones), "ones")
	}
	// Output:
	// 3 tens 4 ones
	// 2 tens 14 ones
	// 1 tens 24 ones
	// 0 tens 34 ones
}

func TestWays(t *testing.T) {
	for n, want := range map[place.Number]uint64{0: 1, 9: 1, 10: 2, 34: 4, 99: 10, 100: 12, 342: 80, 1000: 562, 9999: 195_250} {
		if got := rename.Ways(n); got != want {
			t.Errorf("%d: %d ways, wanted %d", n, got, want)
		}
	}
}

// What is counted is what there is, each way once; each index has a way of its own.
func TestCountedIsEnumerated(t *testing.T) {
	rng := rand.New(rand.NewPCG(17, 1))
	numbers := []int{0, 1, 10, 999, 1000, 1001, 9999}
	for range 12 {
		numbers = append(numbers, rng.IntN(10_000))
	}
	for _, n := range numbers {
		want := all(n)
		if got := rename.Ways(place.Number(n)); got != uint64(len(want)) {
			t.Fatalf("%d: %d ways counted, %d found", n, got, len(want))
		}
		for k, way := range want {
			if got := rename.Nth(place.Number(n), uint64(k)); got != way || got.Value() != n {
				t.Fatalf("%d: way %d is %v, wanted %v", n, k, got, way)
			}
			if got := rename.Index(place.Number(n), way); got != uint64(k) {
				t.Fatalf("%d: %v has the index %d, wanted %d", n, way, got, k)
			}
		}
		want = slices.DeleteFunc(want, func(way piece.Holding) bool { return !rename.Fits(way) })
		if got := rename.OnTray(place.Number(n)); got != len(want) {
			t.Fatalf("%d: a tray holds %d ways, %d found", n, got, len(want))
		}
		for k, way := range want {
			if got := rename.NthOnTray(place.Number(n), k); got != way {
				t.Fatalf("%d: way %d on a tray is %v, wanted %v", n, k, got, way)
			}
			if got := rename.IndexOnTray(place.Number(n), way); got != k {
				t.Fatalf("%d: %v on a tray has the index %d, wanted %d", n, way, got, k)
			}
		}
	}
}

// The first are those with the fewest pieces, and of those the ones with more of the higher
// piece.
func TestTheOrderOfTheFirst(t *testing.T) {
	rng := rand.New(rand.NewPCG(17, 2))
	for range 200 {
		n := rng.IntN(3_000)
		want := all(n)
		slices.SortFunc(want, func(a, b piece.Holding) int {
			if d := a.Pieces() - b.Pieces(); d != 0 {
				return d
			}
			for p := place.Thousands; p > place.Ones; p-- {
				if d := b.At(p) - a.At(p); d != 0 {
					return d
				}
			}
			return 0
		})
		if got := rename.First(place.Number(n), 100); !slices.Equal(got, want[:min(100, len(want))]) {
			t.Fatalf("%d: %v\nwanted %v", n, got, want[:min(100, len(want))])
		}
	}
	if got := rename.First(999_999, 100); len(got) != 100 || got[0].Value() != 999_999 {
		t.Errorf("999,999: %d ways, first %v", len(got), got[0])
	}
}

// Swapped down one by one as said, a number comes to lie in each of its ways; each of these
// swaps makes nine pieces more.
func TestSwappedDown(t *testing.T) {
	rng := rand.New(rand.NewPCG(17, 4))
	for range 200 {
		n := place.Number(rng.IntN(10_000))
		usual := rename.First(n, 1)[0]
		way := rename.Nth(n, rng.Uint64N(rename.Ways(n)))
		a, b, c := rename.Down(n, way)
		got := usual
		for p, swaps := range map[place.Place]int{place.Thousands: a, place.Hundreds: b, place.Tens: c} {
			got[p] -= int16(swaps)
			got[p-1] += int16(10 * swaps)
		}
		if got != way || way.Pieces()-usual.Pieces() != 9*(a+b+c) {
			t.Fatalf("%d: %d, %d and %d swaps lead to %v, wanted %v", n, a, b, c, got, way)
		}
		if after := rename.After(n, a+b+c); !slices.Contains(after, way) {
			t.Fatalf("%d: %v is not among the ways after %d swaps", n, way, a+b+c)
		}
	}
}

// Each way of a number is drawn as often as any other.
func TestDrawnUniformly(t *testing.T) {
	rng := rand.New(rand.NewPCG(17, 3))
	drawn := map[piece.Holding]int{}
	const each = 400
	ways := rename.Ways(342)
	for range each * ways {
		drawn[rename.Nth(342, rng.Uint64N(ways))]++
	}
	for way, n := range drawn {
		if n < each/2 || n > 2*each {
			t.Errorf("%v was drawn %d times, about %d was expected", way, n, each)
		}
	}
	if uint64(len(drawn)) != ways {
		t.Errorf("%d of %d ways were drawn", len(drawn), ways)
	}
}

func BenchmarkWays(b *testing.B) {
	for b.Loop() {
		rename.Ways(9_999)
	}
}

func BenchmarkFirst(b *testing.B) {
	for b.Loop() {
		rename.First(9_999, 100)
	}
}
