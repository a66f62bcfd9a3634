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

// Ten are ringed together.
const Ten = 10

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
	// Tens are where 10 is written at each ring, with the room that there is around it.
	Tens []Thing
	// Apart is how far two middles are from one another at least, in px.
	Apart float64
}

// Layouts of a crowd.
const (
	packed  = 0.86 // how near to one another things lie at first: 1.07 would be as near as any can
	widest  = 104  // no two are held further apart than this
	perGap  = 0.36 // a radius, as a part of the distance between two
	perRing = 0.46 // and how far from the middles a ring is drawn
	nearer  = 0.96 // by which the distance shrinks where the things do not fit
	around  = 4    // things' worth of room that each cell has besides, for its sides
	slant   = 0.3  // radians, by which a cut across the sheet leans at most
	sweeps  = 300  // at most, in which things push one another apart
	settled = 0.05 // px nearer than they should, at which the pushing ends
	perRow  = 10
)

// Lay scatters n things at random by a seed. The same seed gives the same crowd. The
// error wraps ErrCount.
//
// The sheet is cut straight across again and again, into a cell for each ten and one for
// what is left over; in each cell things are thrown at random and push one another apart.
// They keep so far from the cuts that rings around them cannot cross.
func Lay(n int, seed uint64) (Crowd, error) {
	if err := Valid(n); err != nil {
		return Crowd{}, err
	}
	rng := rand.New(rand.NewPCG(seed, uint64(n)))
	sizes := slices.Repeat([]int{Ten}, n/Ten)
	if n%Ten > 0 {
		sizes = slices.Insert(sizes, rng.IntN(len(sizes)+1), n%Ten)
	}
	cells := split(whole(), sizes, rng)
	for apart := min(widest, packed*math.Sqrt(Width*Height/float64(n))); ; apart *= nearer {
		if spots, fit := throw(cells, sizes, apart, rng.Uint64()); fit {
			c := Crowd{Apart: apart}
			c.ring(spots)
			return c, nil
		}
	}
}

// whole is the sheet, one corner after another.
func whole() []Spot { return []Spot{{0, 0}, {Width, 0}, {Width, Height}, {0, Height}} }

// split cuts a cell into one for each size, each as large as its size asks, and room for
// its sides.
func split(cell []Spot, sizes []int, rng *rand.Rand) [][]Spot {
	if len(sizes) == 1 {
		return [][]Spot{cell}
	}
	half := len(sizes) / 2
	part, all := 0, 0
	for i, size := range sizes {
		if all += size + around; i < half {
			part += size + around
		}
	}
	low, high := bounds(cell)
	lean := (2*rng.Float64() - 1) * slant
	if high.Y-low.Y > high.X-low.X {
		lean += math.Pi / 2
	}
	first, second := cut(cell, Spot{math.Cos(lean), math.Sin(lean)}, float64(part)/float64(all))
	return append(split(first, sizes[:half], rng), split(second, sizes[half:], rng)...)
}

// cut cuts a cell across a direction so that the first part has a share of its area.
func cut(cell []Spot, along Spot, share float64) (first, second []Spot) {
	low, high := math.Inf(1), math.Inf(-1)
	for _, s := range cell {
		at := s.X*along.X + s.Y*along.Y
		low, high = min(low, at), max(high, at)
	}
	want := share * areaOf(cell)
	for range 40 {
		at := (low + high) / 2
		if first = clip(cell, along, at); areaOf(first) < want {
			low = at
		} else {
			high = at
		}
	}
	at := (low + high) / 2
	return clip(cell, along, at), clip(cell, Spot{-along.X, -along.Y}, -at)
}

// clip is the part of a cell that lies up to a line across a direction.
func clip(cell []Spot, along Spot, at float64) []Spot {
	var kept []Spot
	for i, a := range cell {
		b := cell[(i+1)%len(cell)]
		da, db := a.X*along.X+a.Y*along.Y-at, b.X*along.X+b.Y*along.Y-at
		if da <= 0 {
			kept = append(kept, a)
		}
		if da < 0 && db > 0 || da > 0 && db < 0 {
			t := da / (da - db)
			kept = append(kept, Spot{a.X + t*(b.X-a.X), a.Y + t*(b.Y-a.Y)})
		}
	}
	return kept
}

func areaOf(cell []Spot) float64 {
	sum := 0.0
	for i, a := range cell {
		b := cell[(i+1)%len(cell)]
		sum += a.X*b.Y - b.X*a.Y
	}
	return math.Abs(sum) / 2
}

// throw throws the things of each cell, so far apart and half as far from its sides; false
// where they do not fit.
func throw(cells [][]Spot, sizes []int, apart float64, seed uint64) (spots [][]Spot, fit bool) {
	rng := rand.New(rand.NewPCG(seed, 1))
	for i, cell := range cells {
		low, high := bounds(cell)
		some := make([]Spot, sizes[i])
		for k := range some {
			some[k] = Spot{low.X + rng.Float64()*(high.X-low.X), low.Y + rng.Float64()*(high.Y-low.Y)}
		}
		if !settle(some, cell, apart) {
			return nil, false
		}
		spots = append(spots, some)
	}
	return spots, true
}

// settle lets things push one another apart inside their cell; false where some stay too
// near.
func settle(spots, cell []Spot, apart float64) bool {
	for range sweeps {
		nearest := push(spots, apart)
		inside := true
		for i := range spots {
			var moved bool
			if spots[i], moved = within(cell, spots[i], apart/2); moved {
				inside = false
			}
		}
		if nearest > apart-settled && inside {
			return true
		}
	}
	return false
}

// within moves a point so far from the sides of a cell as it has to be.
func within(cell []Spot, s Spot, margin float64) (at Spot, moved bool) {
	for i, a := range cell {
		b := cell[(i+1)%len(cell)]
		length := math.Hypot(b.X-a.X, b.Y-a.Y)
		if length == 0 {
			continue
		}
		in := turn(a, b, s) / length // how far inside, as cells are named around to the right
		if short := margin - in; short > settled {
			s = Spot{s.X - short*(b.Y-a.Y)/length, s.Y + short*(b.X-a.X)/length}
			moved = true
		}
	}
	return s, moved
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
	for k := range n / Ten {
		c.Rings = append(c.Rings, count(k*Ten, Ten))
		c.Tens = append(c.Tens, Thing{min(Width-24, Width/2+5.9*c.Apart), c.Things[k*Ten].Y, c.Apart / 2})
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

// ring takes in the things of the cells: those of each ten, then what is left over.
func (c *Crowd) ring(cells [][]Spot) {
	for _, spots := range cells {
		if len(spots) == Ten {
			c.add(spots, true)
		}
	}
	for _, spots := range cells {
		if len(spots) < Ten {
			c.add(spots, false)
		}
	}
}

// Ring is how far from the middles of its things a ring is drawn, in px.
func (c Crowd) Ring() float64 { return perRing * c.Apart }

// add adds the things of one ring, or what is left over, each followed by its neighbour.
func (c *Crowd) add(spots []Spot, ringed bool) {
	if ringed {
		c.Rings = append(c.Rings, count(len(c.Things), Ten))
		at, room := freest(spots)
		c.Tens = append(c.Tens, Thing{at.X, at.Y, room - perGap*c.Apart})
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
// there is room to write. Room is how far it is to the nearest of them.
func freest(spots []Spot) (best Spot, room float64) {
	const grid = 14
	hull := Hull(spots)
	low, high := bounds(spots)
	most := -1.0
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
	return best, math.Sqrt(max(0, most))
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
