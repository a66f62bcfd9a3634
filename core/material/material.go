// Package material knows the pieces and what a lesson needs of them: how many
// of each at the fullest moment, cards, trays, cautions and minutes.
package material

import (
	"errors"
	"fmt"
	"math"
	"slices"

	"vineswap/core/number"
	"vineswap/core/piece"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/swap"
	"vineswap/core/trace"
)

// Kind is the material that a lesson is worked with.
type Kind string

// The kinds of material.
const (
	Beads    Kind = "beads"
	Blocks   Kind = "blocks"
	Drawings Kind = "drawings" // quick drawings: dots, lines, squares, cube sketches
)

// Kinds returns all kinds of material, those that lie on a shelf first.
func Kinds() []Kind { return []Kind{Beads, Blocks, Drawings} }

// Drawn tells whether the material is drawn: nothing is fetched from a shelf, what
// is taken away is crossed out, and a ten is ringed.
func (k Kind) Drawn() bool { return k == Drawings }

// ErrKind is wrapped by the error about a material that is not known.
var ErrKind = errors.New("the material is beads, blocks or drawings")

// ParseKind reads "beads", "blocks" or "drawings".
func ParseKind(text string) (Kind, error) {
	if k := Kind(text); slices.Contains(Kinds(), k) {
		return k, nil
	}
	return "", fmt.Errorf("%w, not %q", ErrKind, text)
}

// Caution is something to look to before and while the material is used.
type Caution string

// The cautions of section 9 of the field's rules that a lesson can call for.
const (
	SmallParts  Caution = "small-parts"  // loose beads and small cubes: count them out and back
	HeavyCube   Caution = "heavy-cube"   // the thousand cube: two hands, carried low
	FreeWay     Caution = "free-way"     // keep the walkway past the mat free
	SmallThings Caution = "small-things" // counters, and whatever else is counted
	Splinters   Caution = "splinters"    // sticks: look at each before use, count them back
)

// Pieces is what one place needs.
type Pieces struct {
	Place   place.Place
	Fullest int   // the most that lie on the mat at once
	Trays   []int // what each tray that is built takes, in written order
	Up      int   // what the store hands out in swaps
}

// Needs is the gather list of a lesson; the same list counts back at the end.
type Needs struct {
	Pieces     []Pieces         // highest place first; places without pieces are left out
	CardsAlone bool             // the numbers are too large for pieces: cards and column do the work
	SmallCards [][]place.Number // a set for each number, or for each sharer, highest first
	LargeCards []place.Number   // for the result of joining, or the number worked from, highest first
	Trays      int              // the store is no tray
	Items      []Item           // pieces that are counted one by one, for a number alone
	Things     []trace.Fetch    // and what is fetched besides
	Cautions   []Caution
	Minutes    int // foreseen, rounded up
}

// Minutes that a presentation takes, from the field's rules of thumb: half as
// much for a swap on paper.
const (
	layingOut  = 3.0
	eachSwap   = 0.75
	onPaper    = 0.5
	sayingBack = 1.0
)

// CanLayOut tells whether a number can be laid out with pieces.
func CanLayOut(n place.Number) bool { return n <= place.MostWithPieces }

// Item is how many pieces of a kind are to be fetched, where they are counted one by one.
type Item struct {
	Piece piece.Piece
	Count int
}

// Minutes of a number that is asked alone.
const (
	layingOne = 1.0
	eachStep  = 0.2
)

// For returns what working a task needs, by its trace: the most pieces that lie on the
// mat at once, and what is fetched besides. Numbers of problems above the highest piece
// are worked with cards and column alone.
func For(t trace.Trace) Needs {
	if p, of := swap.From(t); of {
		return forProblem(p)
	}
	n := Needs{Things: t.Things, Cautions: []Caution{}, Minutes: int(math.Ceil(layingOne + eachStep*float64(len(t.Steps)) + sayingBack))}
	onPaper := !inHand(t)
	for p, count := range t.Fullest() {
		if count > 0 && !onPaper {
			n.Items = append(n.Items, Item{piece.Piece(p), int(count)})
		}
	}
	slices.SortStableFunc(n.Items, func(a, b Item) int { return fetchedAs(a.Piece) - fetchedAs(b.Piece) })
	for _, item := range n.Items {
		switch {
		case item.Piece == piece.Stick:
			n.Cautions = append(n.Cautions, Splinters)
		case item.Piece == piece.Counter:
			n.Cautions = append(n.Cautions, SmallThings)
		case item.Piece == piece.Of(place.Thousands):
			n.Cautions = append(n.Cautions, HeavyCube)
		case item.Piece != piece.Of(place.Hundreds) && !slices.Contains(n.Cautions, SmallParts):
			n.Cautions = append(n.Cautions, SmallParts)
		}
	}
	return n
}

// fetchedAs is the order in which pieces are fetched: those of the places first, the highest of
// them before all; then what belongs to no place.
func fetchedAs(p piece.Piece) int {
	if of, placed := p.Place(); placed {
		return -int(of)
	}
	return int(p)
}

// inHand tells whether the pieces of a trace are fetched one by one: those of a drawing and of
// a printed crowd, the beads of a rack and fingers are not.
func inHand(t trace.Trace) bool {
	w, of := number.Worked(t)
	return !of || !w.Drawn && !slices.Contains([]trace.Scene{number.InCrowd, number.Pictures, number.InRack, number.InHands}, t.Scene)
}

// forProblem is what working a problem needs.
func forProblem(t swap.Trace) Needs {
	p := t.Problem
	needs := Needs{CardsAlone: !CanLayOut(max(t.Answer, p.Numbers[0])), Cautions: []Caution{}}
	needs.cards(t)
	if !needs.CardsAlone {
		needs.pieces(t)
	}
	needs.Cautions = append(needs.Cautions, FreeWay)
	swaps := 0
	for _, s := range t.Swaps {
		swaps += 1 + s.Zeros
	}
	each := eachSwap
	if needs.CardsAlone {
		each *= onPaper
	}
	needs.Minutes = int(math.Ceil(layingOut + each*float64(swaps) + sayingBack))
	return needs
}

// cards counts the sets of cards, and the trays that they label.
func (n *Needs) cards(t swap.Trace) {
	p := t.Problem
	n.LargeCards = p.Numbers[0].Expanded()
	set := func(number place.Number, times int) {
		for range times {
			n.SmallCards = append(n.SmallCards, number.Expanded())
		}
	}
	switch p.Kind {
	case problem.Sum, problem.Trays:
		for _, number := range p.Addends() {
			set(number, 1)
		}
		n.LargeCards, n.Trays = t.Answer.Expanded(), len(n.SmallCards)+1
	case problem.Difference:
		set(p.Numbers[1], 1)
		set(t.Answer, 1)
		n.Trays = 2
	case problem.Sharing:
		set(t.Answer, int(p.Numbers[1]))
		n.Trays = len(n.SmallCards) + 1
	case problem.Grouping:
		set(t.Answer, 1)
		n.Trays = 2
	}
}

// pieces counts the pieces, and what is to be looked to with them.
func (n *Needs) pieces(t swap.Trace) {
	fullest, handed := t.Fullest(), handedOut(t)
	for p := place.TopPiece; p >= place.Ones; p-- {
		if fullest.At(p) == 0 {
			continue
		}
		made := Pieces{Place: p, Fullest: fullest.At(p), Up: handed.At(p)}
		for _, number := range built(t.Problem) {
			made.Trays = append(made.Trays, number.Digit(p))
		}
		n.Pieces = append(n.Pieces, made)
	}
	if fullest.At(place.Ones) > 0 {
		n.Cautions = append(n.Cautions, SmallParts)
	}
	if fullest.At(place.Thousands) > 0 {
		n.Cautions = append(n.Cautions, HeavyCube)
	}
}

// built are the numbers that are built with pieces: the addends, or the one number
// that is worked from.
func built(p problem.Problem) []place.Number {
	if addends := p.Addends(); addends != nil {
		return addends
	}
	return p.Numbers[:1]
}

// handedOut counts what the store hands out in the swaps of the work.
func handedOut(t swap.Trace) piece.Holding {
	var out piece.Holding
	for _, s := range t.Steps {
		if s.At.Phase != trace.Work && s.At.Phase != trace.Swapping {
			continue
		}
		for _, m := range s.Moves {
			if m.From == trace.Store {
				out = out.Plus(piece.Only(m.Piece, m.Count))
			}
		}
	}
	return out
}
