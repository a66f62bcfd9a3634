package choose

import "vineswap/core/place"

// Wish is one thing that a choice asks for and that can be let go on its own.
type Wish struct {
	Kind  WishKind
	Place place.Place // for Knot alone
	Want  Want        // for Knot and Zero
	Stage StageID     // for Belongs
}

// WishKind is what a wish is about.
type WishKind string

// The kinds of wish.
const (
	Knot    WishKind = "knot"  // a place swaps or does not
	Zero    WishKind = "zeros" // a 0 stands in the numbers or does not
	Belongs WishKind = "stage" // the problem belongs to a stage
	Within  WishKind = "laid"  // the result can be laid out with pieces
)

// wishes returns what the choice asks for.
func (c Choice) wishes() []Wish {
	var all []Wish
	if c.Laid {
		all = append(all, Wish{Kind: Within})
	}
	if c.Stage != "" {
		all = append(all, Wish{Kind: Belongs, Stage: c.Stage})
	}
	if c.Zeros != Any {
		all = append(all, Wish{Kind: Zero, Want: c.Zeros})
	}
	for p, w := range c.Swap {
		if w != Any {
			all = append(all, Wish{Kind: Knot, Place: place.Place(p), Want: w})
		}
	}
	return all
}

// Without returns the choice with one wish let go.
func (c Choice) Without(w Wish) Choice {
	switch w.Kind {
	case Knot:
		c.Swap[w.Place] = Any
	case Zero:
		c.Zeros = Any
	case Belongs:
		c.Stage = ""
	case Within:
		c.Laid = false
	}
	return c
}

// Mend is a wish that, let go alone, leaves problems that fit.
type Mend struct {
	Wish Wish
	Fits Count
}

// Conflict says why nothing fits: wishes that cannot be together, none of which
// could be spared from the contradiction, and what would mend it. Both are
// empty where something fits.
func (c Choice) Conflict() (clash []Wish, mends []Mend) {
	if c.Valid() != nil || !c.fits().IsZero() {
		return nil, nil
	}
	bare := c
	for _, w := range c.wishes() {
		if less := bare.Without(w); less.fits().IsZero() {
			bare = less
		}
	}
	for _, w := range bare.wishes() {
		clash = append(clash, w)
		if fits := c.Without(w).fits(); w.Kind != Within && !fits.IsZero() {
			mends = append(mends, Mend{w, fits})
		}
	}
	return clash, mends
}

// fits counts a choice that is known to be valid.
func (c Choice) fits() Count {
	s, err := c.Space()
	if err != nil {
		return Count{}
	}
	return s.Fits()
}

// KnotCounts returns how many problems fit with the place's knot tied each way
// and all else as it is, indexed by Want.
func (c Choice) KnotCounts(p place.Place) [3]Count {
	var counts [3]Count
	for w := range counts {
		c.Swap[p] = Want(w)
		counts[w] = c.fits()
	}
	return counts
}
