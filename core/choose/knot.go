package choose

import (
	"vineswap/core/place"
	"vineswap/core/problem"
)

// Tie is what a place does towards the one above, as a choice leaves it.
type Tie struct {
	Place   place.Place
	Tied    Want     // by hand, by the stage, or by what the other wishes leave
	ByStage bool     // it was not tied by hand
	Counts  [3]Count // how many problems fit with it tied each way, indexed by Want
}

// Knots are the knots of the places that can swap, ones first. Into the highest place of
// a difference nothing comes, and what is left of the ones that are shared is the
// remainder.
func (c Choice) Knots() []Tie {
	from, to := place.Ones, c.Top()
	switch {
	case c.kind() == problem.Sharing:
		from = place.Tens
	case c.kind() == problem.Difference && to > place.Ones:
		to--
	}
	var knots []Tie
	for p := from; p <= to; p++ {
		knots = append(knots, c.knot(p))
	}
	return knots
}

func (c Choice) knot(p place.Place) Tie {
	k := Tie{Place: p, Tied: c.Tied(p), ByStage: c.Swap[p] == Any && c.Tied(p) != Any, Counts: c.knotCounts(p)}
	if k.Tied != Any || k.Counts[Any].IsZero() {
		return k
	}
	for _, want := range []Want{No, Yes} { // the stage and the other wishes leave no choice
		if k.Counts[want] == k.Counts[Any] {
			k.Tied, k.ByStage = want, true
		}
	}
	return k
}

// knotCounts counts what fits with the place's knot tied each way and all else as it is.
func (c Choice) knotCounts(p place.Place) [3]Count {
	var counts [3]Count
	for w := range counts {
		c.Swap[p] = Want(w)
		counts[w] = c.fits()
	}
	return counts
}

// Length is how many digits a number may have.
type Length struct{ Least, Most int }

// Lengths are how long each number may be: in taking the larger is never the shorter one.
func (c Choice) Lengths() []Length {
	out := make([]Length, len(c.Digits))
	for i := range out {
		out[i] = Length{1, place.MostDigits}
	}
	if c.kind() == problem.Difference {
		out[0].Least, out[1].Most = c.Digits[1], c.Digits[0]
	}
	return out
}

// Figure is how a stage is drawn: the knots and the zeros of the places of its example,
// ones first, and whether a swap that makes another belongs to it.
type Figure struct {
	Knots []Want
	Zeros []bool
	Made  bool
}

// figureDigits is how many digits the example of a stage has, where it may.
const figureDigits = 4

// Figure draws the stage.
func (s StageID) Figure() Figure {
	switch s {
	case OverTen:
		return Figure{Knots: []Want{Yes}, Zeros: make([]bool, 1)}
	case BackOverTen:
		return Figure{Knots: []Want{Yes, No}, Zeros: make([]bool, 2)}
	case AcrossOneZero:
		return Figure{[]Want{Yes, Yes, No, No}, []bool{false, true, false, false}, true}
	case AcrossZeros:
		return Figure{[]Want{Yes, Yes, Yes, No}, []bool{false, true, true, false}, true}
	}
	digits := min(figureDigits, s.Most())
	f := Figure{make([]Want, digits), make([]bool, digits), s == SwapMakesSwap}
	example := Choice{Kind: s.Kind(), Stage: s, Digits: []int{digits, digits}}
	for p := range f.Knots {
		f.Knots[p] = example.Tied(place.Place(p))
	}
	return f
}
