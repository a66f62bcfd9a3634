package choose

import (
	"slices"

	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/task"
)

// Wish is one thing that a choice asks for and that can be let go on its own.
type Wish struct {
	Kind  WishKind
	Place place.Place // where Kind.OfPlace
	Want  Want        // of kinds that are wanted or not
	Stage StageID     // for Belongs
	Facts Facts       // for Limited
	Most  int         // for Shelf the pieces, for Sharers how many, for UpTo the number
}

// WishKind is what a wish is about.
type WishKind string

// The kinds of wish: first those of a place.
const (
	Knot      WishKind = "knot"    // a place swaps or does not
	ByBelow   WishKind = "made"    // it swaps only because of the swap below it
	AtOnce    WishKind = "several" // it gives up two or more at once
	ToNothing WishKind = "exact"   // it swaps and nothing stays
	ZeroHere  WishKind = "zero-at" // a 0 stands there
	Shelf     WishKind = "limit"   // there are so many pieces of it

	Zero      WishKind = "zeros" // a 0 stands in the numbers
	Crossing  WishKind = "cross-zero"
	InARow    WishKind = "row" // two zeros or more in a row are crossed
	Remainder WishKind = "rest"
	Tens      WishKind = "make-ten" // a pair in the ones makes ten
	Twins     WishKind = "doubles"  // a pair in the ones is alike
	Limited   WishKind = "facts"
	Sharers   WishKind = "by"
	Belongs   WishKind = "stage" // the problem belongs to a stage
	Within    WishKind = "laid"  // it can be laid out with pieces
	UpTo      WishKind = "most"  // what comes up is no more than so many
)

// OfPlace tells whether wishes of the kind are about one place.
func (k WishKind) OfPlace() bool {
	return slices.Contains([]WishKind{Knot, ByBelow, AtOnce, ToNothing, ZeroHere, Shelf}, k)
}

// unsuited lists the kinds that an operation does not know.
var unsuited = map[task.Kind][]WishKind{
	problem.Sum:        {Crossing, InARow, Remainder, Sharers},
	problem.Difference: {AtOnce, ToNothing, Remainder, Sharers},
	problem.Sharing:    {ByBelow, ToNothing, Crossing, InARow, Tens, Twins, Limited},
	problem.Trays:      {Crossing, InARow, Remainder, Tens, Twins},
}

// Suits tells whether wishes of the kind can be asked of an operation.
func (k WishKind) Suits(kind task.Kind) bool { return !slices.Contains(unsuited[kind], k) }

// byPlaces returns the wishes of places of a kind.
func (c *Choice) byPlaces(k WishKind) *Wants {
	switch k {
	case Knot:
		return &c.Swap
	case ByBelow:
		return &c.Made
	case AtOnce:
		return &c.Several
	case ToNothing:
		return &c.Exact
	case ZeroHere:
		return &c.ZeroAt
	}
	return nil
}

// whole returns the wish of a kind that is of no place.
func (c *Choice) whole(k WishKind) *Want {
	switch k {
	case Zero:
		return &c.Zeros
	case Crossing:
		return &c.Cross
	case InARow:
		return &c.Row
	case Remainder:
		return &c.Rest
	case Tens:
		return &c.MakesTen
	case Twins:
		return &c.Doubles
	}
	return nil
}

// placeKinds and wholeKinds are the kinds with a Want.
var (
	placeKinds = []WishKind{Knot, ByBelow, AtOnce, ToNothing, ZeroHere}
	wholeKinds = []WishKind{Zero, Crossing, InARow, Remainder, Tens, Twins}
)

// Wishes returns what the choice asks for, one by one.
func (c Choice) Wishes() []Wish {
	var all []Wish
	if c.Laid {
		all = append(all, Wish{Kind: Within})
	}
	if c.Stage != "" {
		all = append(all, Wish{Kind: Belongs, Stage: c.Stage})
	}
	for _, kind := range wholeKinds {
		if want := *c.whole(kind); want != Any {
			all = append(all, Wish{Kind: kind, Want: want})
		}
	}
	if c.Facts != "" && c.Facts != AllFacts {
		all = append(all, Wish{Kind: Limited, Facts: c.Facts})
	}
	if c.By > 0 {
		all = append(all, Wish{Kind: Sharers, Most: c.By})
	}
	if c.Most > 0 {
		all = append(all, Wish{Kind: UpTo, Most: int(c.Most)})
	}
	for _, kind := range placeKinds {
		for p, want := range c.byPlaces(kind) {
			if want != Any {
				all = append(all, Wish{Kind: kind, Place: place.Place(p), Want: want})
			}
		}
	}
	for p, most := range c.Limit {
		if most > 0 {
			all = append(all, Wish{Kind: Shelf, Place: place.Place(p), Most: most})
		}
	}
	return all
}

// Without returns the choice with one wish let go.
func (c Choice) Without(w Wish) Choice {
	switch w.Kind {
	case Shelf:
		c.Limit[w.Place] = 0
	case Limited:
		c.Facts = ""
	case Sharers:
		c.By = 0
	case UpTo:
		c.Most = 0
	case Belongs:
		c.Stage = ""
	case Within:
		c.Laid = false
	default:
		if whole := c.whole(w.Kind); whole != nil {
			*whole = Any
		} else {
			c.byPlaces(w.Kind)[w.Place] = Any
		}
	}
	return c
}

// Mend is one step to a choice that has problems: a wish let go or turned round,
// or the numbers made longer.
type Mend struct {
	Wish   Wish // that is let go or turned; of no kind where the numbers are made longer
	Turned bool
	Digits int // of the longest number then; 0 where a wish is let go
	Choice Choice
	Fits   Count
}

// Conflict says why nothing fits: wishes that cannot be together, none of which
// could be spared from the contradiction, and what would mend it. Both are
// empty where something fits.
func (c Choice) Conflict() (clash []Wish, mends []Mend) {
	if c.Valid() != nil || !c.fits().IsZero() {
		return nil, nil
	}
	bare := c
	for _, w := range c.Wishes() {
		if less := bare.Without(w); less.fits().IsZero() {
			bare = less
		}
	}
	for _, w := range bare.Wishes() {
		clash = append(clash, w)
		if turned, ok := c.turned(w); ok {
			mends = append(mends, mend(Mend{Wish: w, Turned: true, Choice: turned})...)
		}
	}
	for _, w := range clash {
		if without := c.Without(w); w.Kind != Within {
			mends = append(mends, mend(Mend{Wish: w, Choice: without})...)
		}
	}
	if longest := int(c.Top()) + 1; longest < place.MostDigits {
		longer := c
		longer.Digits = slices.Clone(c.Digits)
		for i, d := range c.Digits {
			if d == longest {
				longer.Digits[i]++
			}
		}
		mends = append(mends, mend(Mend{Digits: longest + 1, Choice: longer})...)
	}
	return clash, mends
}

// turned returns the choice with a knot tied the other way, a zero asked for
// where none was wanted, or the other way round.
func (c Choice) turned(w Wish) (Choice, bool) {
	if w.Kind == Knot || w.Kind == ZeroHere {
		c.byPlaces(w.Kind)[w.Place] = Yes + No - w.Want
		return c, true
	}
	return c, false
}

// mend is the step, if problems fit after it.
func mend(m Mend) []Mend {
	if m.Fits = m.Choice.fits(); m.Fits.IsZero() {
		return nil
	}
	return []Mend{m}
}

// fits counts a choice; none where it is not valid.
func (c Choice) fits() Count {
	s, err := c.Space()
	if err != nil {
		return Count{}
	}
	return s.Fits()
}
