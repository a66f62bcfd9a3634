// Package crowd lays out things to be counted: scattered at random so that none touches
// or hides another, or in rows. It says which ten are ringed together, so that no two
// rings cross.
package crowd

import (
	"cmp"
	"errors"
	"fmt"
	"math"
	"math/rand/v2"
	"slices"
)

// A crowd lies on a sheet of this size, in px of the mat at 1280 × 800.
const (
	Width  = 680.0
	Height = 514.0
)

// Fewest and Most are how many things a crowd has.
const (
	Fewest = 1
	Most   = 100
)

// ten are ringed together.
const ten = 10

// ErrCount is wrapped by the error about a crowd of too many things, or of none.
var ErrCount = fmt.Errorf("a crowd has %d to %d things", Fewest, Most)

// Thing is one thing, by its middle and its radius in px.
type Thing struct{ X, Y, R float64 }

// Spot is a point of the sheet in px.
type Spot struct{ X, Y float64 }

// Crowd is some things on a sheet.
type Crowd struct {
	// Things are in the order in which they are marked: ring by ring, then what is left
	// over.
	Things []Thing
	// Rings are the indices of the ten that are ringed together; what is left over is in
	// none.
	Rings [][]int
	// Tens are where 10 is written at each ring.
	Tens []Spot
	// Apart is how far two middles are from one another at least, in px.
	Apart float64
}

// Layouts of a crowd.
const (
	packed  = 0.86 // how near to one another things lie: 1.07 would be as near as any can
	widest  = 104  // no two are held further apart than this
	perGap  = 0.36 // a radius, as a part of the distance between two
	sweeps  = 400  // at most, in which things push one another apart
	settled = 0.25 // px nearer than they should, at which the pushing ends
	perRow  = 10
)

// Lay scatters n things at random by a seed. The same seed gives the same crowd. The
// error wraps ErrCount.
func Lay(n int, seed uint64) (Crowd, error) {
	if err := Valid(n); err != nil {
		return Crowd{}, err
	}
	c := Crowd{}
	c.Apart = min(widest, packed*math.Sqrt(area(n)/float64(n)))
	rng := rand.New(rand.NewPCG(seed, uint64(n)))
	edge := margin(c.Apart)
	spots := make([]Spot, n)
	for i := range spots {
		spots[i] = Spot{edge + rng.Float64()*(Width-2*edge), edge + rng.Float64()*(Height-2*edge)}
	}
	c.Apart = pushApart(spots, c.Apart, edge)
	c.ring(spots)
	return c, nil
}

// Rows lays n things in rows of ten, with a gap after the fifth. The error wraps
// ErrCount.
func Rows(n int) (Crowd, error) {
	if err := Valid(n); err != nil {
		return Crowd{}, err
	}
	rows := (n + perRow - 1) / perRow
	c := Crowd{Apart: min(58, (Height-24)/float64(rows))}
	for i := range n {
		row, col := i/perRow, i%perRow
		x := Width/2 + (float64(col)-4.5)*c.Apart
		if col >= perRow/2 {
			x += c.Apart / 4
		} else {
			x -= c.Apart / 4
		}
		y := Height/2 + (float64(row)-float64(rows-1)/2)*c.Apart
		c.Things = append(c.Things, Thing{x, y, perGap * c.Apart})
	}
	for k := range n / ten {
		c.Rings = append(c.Rings, count(k*ten, ten))
		c.Tens = append(c.Tens, Spot{min(Width-24, Width/2+5.9*c.Apart), c.Things[k*ten].Y})
	}
	return c, nil
}

// Valid tells whether there is a crowd of so many.
func Valid(n int) error {
	if n < Fewest || n > Most {
		return fmt.Errorf("%w, not %d", ErrCount, n)
	}
	return nil
}

// IsCount tells whether an error is about how many things there are.
func IsCount(err error) bool { return errors.Is(err, ErrCount) }

// margin is how far the middle of a thing stays from the edge of the sheet, so that a
// ring around it does too.
func margin(apart float64) float64 { return apart/2 + 4 }

// area is what n things share: the sheet without its margins, as they would be for them.
func area(n int) float64 {
	m := margin(packed * math.Sqrt(Width*Height/float64(n)))
	m = min(m, margin(widest))
	return (Width - 2*m) * (Height - 2*m)
}

// pushApart moves points that are too near to one another apart, until none is; it
// returns how far apart the nearest two are.
func pushApart(spots []Spot, apart, edge float64) float64 {
	for range sweeps {
		nearest := push(spots, apart)
		for i, s := range spots {
			spots[i] = Spot{min(max(s.X, edge), Width-edge), min(max(s.Y, edge), Height-edge)}
		}
		if nearest > apart-settled {
			break
		}
	}
	return nearestOf(spots, apart)
}

// push moves each two that are too near by half of what is missing; it returns how far
// apart the nearest two were.
func push(spots []Spot, apart float64) float64 {
	nearest := apart
	for i := range spots {
		for j := range i {
			dx, dy := spots[i].X-spots[j].X, spots[i].Y-spots[j].Y
			if dx >= apart || dx <= -apart || dx*dx+dy*dy >= apart*apart {
				continue
			}
			d := math.Sqrt(dx*dx + dy*dy)
			nearest = min(nearest, d)
			if d == 0 {
				dx, d = 1, 1
			}
			by := (apart - d) / 2 / d
			spots[i] = Spot{spots[i].X + by*dx, spots[i].Y + by*dy}
			spots[j] = Spot{spots[j].X - by*dx, spots[j].Y - by*dy}
		}
	}
	return nearest
}

// between is how far apart two points are.
func between(a, b Spot) float64 { return math.Sqrt((a.X-b.X)*(a.X-b.X) + (a.Y-b.Y)*(a.Y-b.Y)) }

func nearestOf(spots []Spot, apart float64) float64 {
	for i := range spots {
		for j := range i {
			apart = min(apart, between(spots[i], spots[j]))
		}
	}
	return apart
}

// ring shares the points out into rings of ten by cutting the sheet straight across again
// and again: what lies on two sides of a cut can be ringed without the rings crossing.
func (c *Crowd) ring(spots []Spot) {
	var cut func(spots []Spot, rings, left int)
	cut = func(spots []Spot, rings, left int) {
		cells := rings + min(left, 1)
		if cells <= 1 {
			c.add(spots, rings == 1)
			return
		}
		along := func(s Spot) float64 { return s.X }
		if low, high := bounds(spots); high.Y-low.Y > high.X-low.X {
			along = func(s Spot) float64 { return s.Y }
		}
		slices.SortFunc(spots, func(a, b Spot) int { return cmp.Compare(along(a), along(b)) })
		first := min(max(1, cells/2), rings)
		cut(spots[:first*ten], first, 0)
		cut(spots[first*ten:], rings-first, left)
	}
	cut(spots, len(spots)/ten, len(spots)%ten)
}

// add adds the things of one ring, or what is left over, each followed by its neighbour.
func (c *Crowd) add(spots []Spot, ringed bool) {
	if ringed {
		c.Rings = append(c.Rings, count(len(c.Things), ten))
		c.Tens = append(c.Tens, freest(spots))
	}
	rest := slices.Clone(spots)
	at := Spot{0, 0}
	for len(rest) > 0 {
		next := 0
		for i, s := range rest {
			if between(s, at) < between(rest[next], at) {
				next = i
			}
		}
		at = rest[next]
		c.Things = append(c.Things, Thing{at.X, at.Y, perGap * c.Apart})
		rest = slices.Delete(rest, next, next+1)
	}
}

func count(from, n int) []int {
	list := make([]int, n)
	for i := range list {
		list[i] = from + i
	}
	return list
}

func bounds(spots []Spot) (low, high Spot) {
	low, high = spots[0], spots[0]
	for _, s := range spots {
		low = Spot{min(low.X, s.X), min(low.Y, s.Y)}
		high = Spot{max(high.X, s.X), max(high.Y, s.Y)}
	}
	return low, high
}

// freest is the point among some that is furthest from all of them, inside their ring:
// there is room to write.
func freest(spots []Spot) Spot {
	const grid = 14
	hull := Hull(spots)
	low, high := bounds(spots)
	best, most := spots[0], -1.0
	for i := range grid + 1 {
		for j := range grid + 1 {
			at := Spot{low.X + (high.X-low.X)*float64(i)/grid, low.Y + (high.Y-low.Y)*float64(j)/grid}
			if !inside(hull, at) {
				continue
			}
			near := math.Inf(1)
			for _, s := range spots {
				dx, dy := (s.X-at.X)*0.8, s.Y-at.Y // figures are wider than high
				near = min(near, dx*dx+dy*dy)
			}
			if near > most {
				best, most = at, near
			}
		}
	}
	return best
}

// Hull are the outermost of some points, one after another around them (Andrew's monotone
// chain).
func Hull(spots []Spot) []Spot {
	sorted := slices.Clone(spots)
	slices.SortFunc(sorted, func(a, b Spot) int { return cmp.Or(cmp.Compare(a.X, b.X), cmp.Compare(a.Y, b.Y)) })
	half := func(points []Spot) []Spot {
		var chain []Spot
		for _, p := range points {
			for len(chain) > 1 && turn(chain[len(chain)-2], chain[len(chain)-1], p) <= 0 {
				chain = chain[:len(chain)-1]
			}
			chain = append(chain, p)
		}
		return chain[:len(chain)-1]
	}
	if len(sorted) < 3 {
		return sorted
	}
	lower := half(sorted)
	slices.Reverse(sorted)
	return append(lower, half(sorted)...)
}

// turn is above 0 where the way from a over b to c turns left.
func turn(a, b, c Spot) float64 { return (b.X-a.X)*(c.Y-a.Y) - (b.Y-a.Y)*(c.X-a.X) }

func inside(hull []Spot, at Spot) bool {
	for i, a := range hull {
		if turn(a, hull[(i+1)%len(hull)], at) < 0 {
			return false
		}
	}
	return true
}
