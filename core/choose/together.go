package choose

import (
	"iter"
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
	Most  int         // for Shelf the pieces, for Sharers and Given how many, for UpTo the number
}

// WishKind is what a wish is about.
type WishKind string

// The kinds of wish: first those of a place.
const (
	Knot      WishKind = "knot"    // a place swaps or does not
	ByBelow   WishKind = "made"    // it swaps only because of the swap below it
	AtOnce    WishKind = "several" // it gives up two or more at once
	Given     WishKind = "gives"   // it gives up exactly so many at once
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
	return slices.Contains([]WishKind{Knot, ByBelow, AtOnce, Given, ToNothing, ZeroHere, Shelf}, k)
}

// unsuited lists the kinds that an operation does not know.
var unsuited = map[task.Kind][]WishKind{
	problem.Sum:        {Crossing, InARow, Remainder, Sharers},
	problem.Difference: {AtOnce, Given, ToNothing, Remainder, Sharers},
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
	for p, n := range c.Gives {
		if n > 0 {
			all = append(all, Wish{Kind: Given, Place: place.Place(p), Most: n})
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
	case Given:
		c.Gives[w.Place] = 0
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

// Mend is a way to a choice that has problems: wishes let go, one turned round, or
// numbers of other lengths.
type Mend struct {
	Wishes []Wish // that are let go, or the one that is turned; none where the lengths change
	Turned bool
	Digits []int // of the numbers then; nil where wishes are let go
	Choice Choice
	Fits   Count
}

// steps is how much a mend changes: one wish, the lengths, or several wishes.
func (m Mend) steps() int {
	if n := len(m.Wishes); n != 0 {
		return 2*n - 1
	}
	return 2
}

// Conflict says why nothing fits: the fewest wishes that cannot be together, and what
// would mend it, at least one way. Both are empty where something fits.
func (c Choice) Conflict() (clash []Wish, mends []Mend) {
	if c.Valid() != nil || !c.fits().IsZero() {
		return nil, nil
	}
	clash = c.clash()
	for _, w := range clash {
		if turned, ok := c.turned(w); ok {
			mends = append(mends, mend(Mend{Wishes: []Wish{w}, Turned: true, Choice: turned})...)
		}
	}
	for _, w := range clash {
		if w.Kind != Within {
			mends = append(mends, c.lettingGo(w)...)
		}
	}
	mends = append(mends, c.otherLengths()...)
	slices.SortStableFunc(mends, func(a, b Mend) int { return a.steps() - b.steps() })
	return clash, slices.CompactFunc(mends, func(a, b Mend) bool {
		return !a.Turned && !b.Turned && len(a.Wishes) > 1 && sameWishes(a.Wishes, b.Wishes)
	})
}

func sameWishes(a, b []Wish) bool {
	return len(a) == len(b) && !slices.ContainsFunc(a, func(w Wish) bool { return !slices.Contains(b, w) })
}

// mostTried is how many sets of wishes are tried of one size, when the smallest set that
// cannot be together is looked for. A choice that is made by hand has far fewer.
const mostTried = 3_000

// clash returns the fewest wishes of a choice for which nothing fits. First wishes are
// let go that are not needed for the contradiction; what is left cannot spare one, but
// there may be a smaller set elsewhere: those are tried by their size.
func (c Choice) clash() []Wish {
	all := c.Wishes()
	bare := c
	for _, w := range all {
		if less := bare.Without(w); less.fits().IsZero() {
			bare = less
		}
	}
	found := bare.Wishes()
	for size := 1; size < len(found); size++ {
		tried := 0
		for set := range subsets(len(all), size) {
			if tried++; tried > mostTried || c.work.ended() != nil {
				break
			}
			if c.with(all, set).fits().IsZero() {
				for i, at := range set {
					found[i] = all[at]
				}
				return found[:size]
			}
		}
	}
	return found
}

// with returns the choice with some of its wishes alone.
func (c Choice) with(all []Wish, set []int) Choice {
	for i, w := range all {
		if !slices.Contains(set, i) {
			c = c.Without(w)
		}
	}
	return c
}

// subsets goes through the sets of so many of the numbers below n, in order.
func subsets(n, size int) iter.Seq[[]int] {
	return func(yield func([]int) bool) {
		set := make([]int, size)
		for i := range set {
			set[i] = i
		}
		for {
			if !yield(set) {
				return
			}
			at := size - 1
			for at >= 0 && set[at] == n-size+at {
				at--
			}
			if at < 0 {
				return
			}
			set[at]++
			for i := at + 1; i < size; i++ {
				set[i] = set[i-1] + 1
			}
		}
	}
}

// lettingGo is the choice without a wish and, where there are other contradictions,
// without as few others as are needed to end them.
func (c Choice) lettingGo(w Wish) []Mend {
	gone := []Wish{w}
	without := c.Without(w)
	for without.fits().IsZero() {
		next := slices.IndexFunc(without.Wishes(), func(w Wish) bool { return w.Kind != Within })
		if clash := without.clash(); len(clash) > 0 && c.work.ended() == nil {
			next = slices.Index(without.Wishes(), lightest(clash))
		}
		if next < 0 {
			return nil
		}
		gone = append(gone, without.Wishes()[next])
		without = without.Without(gone[len(gone)-1])
	}
	for i := len(gone) - 1; i > 0; i-- { // one that was let go early may not be needed any more
		fewer := slices.Delete(slices.Clone(gone), i, i+1)
		back := c
		for _, w := range fewer {
			back = back.Without(w)
		}
		if !back.fits().IsZero() {
			gone, without = fewer, back
		}
	}
	return mend(Mend{Wishes: gone, Choice: without})
}

// lightest is the wish of a contradiction that is let go before the others: the stage is
// kept as long as it can be, and the pieces that there are.
func lightest(clash []Wish) Wish {
	weight := func(w Wish) int { return slices.Index([]WishKind{Shelf, Belongs, Within}, w.Kind) }
	return slices.MinFunc(clash, func(a, b Wish) int { return weight(a) - weight(b) })
}

// otherLengths are numbers that are one digit longer or shorter, or of the lengths that
// the stage is first taught with.
func (c Choice) otherLengths() []Mend {
	longest := int(c.Top()) + 1
	shapes := [][]int{}
	for _, by := range []int{1, -1} {
		digits := slices.Clone(c.Digits)
		for i, d := range c.Digits {
			if d == longest {
				digits[i] += by
			}
		}
		shapes = append(shapes, digits)
	}
	if c.Stage != "" {
		shapes = append(shapes, c.Stage.Fit(c.Digits))
	}
	for i, digits := range shapes {
		other := c
		other.Digits = digits
		same := slices.Equal(digits, c.Digits) || i > 1 && (slices.Equal(digits, shapes[0]) || slices.Equal(digits, shapes[1]))
		if same || c.Laid && slices.Max(digits) > int(place.TopPiece)+1 {
			continue
		}
		if found := mend(Mend{Digits: digits, Choice: other}); found != nil {
			return found
		}
	}
	return nil
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
