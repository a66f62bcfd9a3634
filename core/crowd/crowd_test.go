package crowd_test

import (
	"errors"
	"math"
	"reflect"
	"testing"

	"vineswap/core/crowd"
)

// Over a thousand seeds and every number: no two things nearer than the limit, none over
// the edge, each in one ring at most, and what is left over fewer than ten.
func TestNoThingHidesAnother(t *testing.T) {
	for seed := range uint64(1000) {
		n := int(seed)%crowd.Most + 1
		c, err := crowd.Lay(n, seed)
		if err != nil || len(c.Things) != n || len(c.Rings) != n/10 || len(c.Tens) != n/10 {
			t.Fatalf("%d things, seed %d: %d, %d rings, %v", n, seed, len(c.Things), len(c.Rings), err)
		}
		checkApart(t, c, seed)
		seen := map[int]bool{}
		for _, ring := range c.Rings {
			if len(ring) != 10 {
				t.Fatalf("%d things, seed %d: a ring of %d", n, seed, len(ring))
			}
			for _, i := range ring {
				if seen[i] || i < 0 || i >= n {
					t.Fatalf("%d things, seed %d: %d is ringed twice or is not there", n, seed, i)
				}
				seen[i] = true
			}
		}
	}
}

func checkApart(t *testing.T, c crowd.Crowd, seed uint64) {
	t.Helper()
	for i, a := range c.Things {
		if a.X-a.R < 0 || a.Y-a.R < 0 || a.X+a.R > crowd.Width || a.Y+a.R > crowd.Height || a.R < 12 {
			t.Fatalf("%d things, seed %d: thing %d lies at %v", len(c.Things), seed, i, a)
		}
		for j, b := range c.Things[:i] {
			d := math.Hypot(a.X-b.X, a.Y-b.Y)
			if d < c.Apart-0.2 || d < 2.4*a.R {
				t.Fatalf("%d things, seed %d: %d and %d are %.1f px apart, the limit is %.1f, the radius %.1f", len(c.Things), seed, i, j, d, c.Apart, a.R)
			}
		}
	}
}

// No two rings cross, as wide as they are drawn: a straight line lies between them.
func TestRingsDoNotCross(t *testing.T) {
	for seed := range uint64(200) {
		n := 20 + int(seed)%81
		c, _ := crowd.Lay(n, seed)
		hulls := make([][]crowd.Spot, len(c.Rings))
		for k, ring := range c.Rings {
			var spots []crowd.Spot
			for _, i := range ring {
				spots = append(spots, crowd.Spot{X: c.Things[i].X, Y: c.Things[i].Y})
			}
			hulls[k] = crowd.Hull(spots)
			for _, other := range hulls[:k] {
				if !apart(hulls[k], other, 2*c.Ring()) && !apart(other, hulls[k], 2*c.Ring()) {
					t.Fatalf("%d things, seed %d: ring %d crosses another", n, seed, k+1)
				}
			}
		}
	}
}

// apart tells whether some straight line has the first hull on one side and all of the
// other so far away on its other side.
func apart(a, b []crowd.Spot, by float64) bool {
	for turn := range 720 {
		x, y := math.Cos(float64(turn)*math.Pi/720), math.Sin(float64(turn)*math.Pi/720)
		span := func(spots []crowd.Spot) (low, high float64) {
			low, high = math.Inf(1), math.Inf(-1)
			for _, s := range spots {
				low, high = min(low, s.X*x+s.Y*y), max(high, s.X*x+s.Y*y)
			}
			return low, high
		}
		lowA, highA := span(a)
		lowB, highB := span(b)
		if lowB-highA >= by || lowA-highB >= by {
			return true
		}
	}
	return false
}

func TestRows(t *testing.T) {
	for n := crowd.Fewest; n <= crowd.Most; n++ {
		c, err := crowd.Rows(n)
		if err != nil || len(c.Things) != n || len(c.Rings) != n/10 {
			t.Fatalf("%d in rows: %d, %d rings, %v", n, len(c.Things), len(c.Rings), err)
		}
		checkApart(t, c, 0)
	}
}

func TestSameSeedSameCrowd(t *testing.T) {
	a, _ := crowd.Lay(43, 5)
	b, _ := crowd.Lay(43, 5)
	other, _ := crowd.Lay(43, 6)
	if !reflect.DeepEqual(a, b) || reflect.DeepEqual(a, other) {
		t.Error("the seed does not decide the crowd")
	}
}

func TestNoSuchCrowd(t *testing.T) {
	for _, n := range []int{-1, 0, 101, 10_000} {
		if _, err := crowd.Lay(n, 1); !errors.Is(err, crowd.ErrCount) {
			t.Errorf("a crowd of %d: %v", n, err)
		}
		if _, err := crowd.Rows(n); !errors.Is(err, crowd.ErrCount) {
			t.Errorf("rows of %d: %v", n, err)
		}
	}
}

func BenchmarkLayAHundred(b *testing.B) {
	seed := uint64(0)
	for b.Loop() {
		seed++
		if _, err := crowd.Lay(crowd.Most, seed); err != nil {
			b.Fatal(err)
		}
	}
}
