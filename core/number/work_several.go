package number

import (
	"slices"

	"vineswap/core/piece"
	"vineswap/core/place"
	"vineswap/core/trace"
)

// showSeveral lays out numbers below one another: with pieces, with cards or in figures.
func (w *worker) showSeveral() {
	w.scenes, w.Drawn = InRows, w.Asked.Shown == Drawn
	if w.Asked.Answered == Join {
		w.scenes = InSum
	}
	var moves []trace.Move
	cards := 0
	for i, n := range w.Asked.Numbers() {
		cards += len(n.Expanded())
		if w.Asked.Shown != Pieces && w.Asked.Shown != Drawn {
			continue
		}
		for p := n.Top(); p >= place.Ones; p-- {
			moves = append(moves, w.some(trace.Store, RowZone(i+1), piece.Of(p), n.Digit(p))...)
		}
	}
	switch w.Asked.Shown {
	case Cards:
		w.need(Card, cards)
	case Drawn:
		w.need(Pencil, 1)
	}
	w.Step(trace.Step{Kind: Ask, Count: w.n}, moves...)
}

// compare looks at one place after another, from the highest, as long as numbers that are
// alike so far are left; then they are laid in order.
func (w *worker) compare() {
	list := w.Asked.Numbers()
	w.Enter(trace.Counting, place.Ones)
	for p := place.HighestOf(list); p >= place.Ones; p-- {
		w.Step(trace.Step{Kind: Compare, To: p, Count: Alike(list, p)})
		if Alike(list, p) == len(list) {
			break
		}
	}
	if w.Asked.Answered == Order {
		w.Step(trace.Step{Kind: InOrder, Count: len(list)})
	}
}

// Alike counts the groups into which numbers fall that are the same down to a place: as many
// as there are numbers when all are told apart.
func Alike(list []place.Number, p place.Place) int {
	var down []place.Number
	for _, n := range list {
		down = appendNew(down, n/place.Number(p.Unit()))
	}
	return len(down)
}

// Sums are how much two numbers have together of each place, the ones first, in pieces of
// the place: [12 6] for 47 and 25.
func (a Asked) Sums() []int {
	sums := make([]int, int(place.HighestOf(a.Numbers()))+2) // with room for a place more
	for p := range sums {
		for _, n := range a.Numbers() {
			sums[p] += n.Digit(place.Place(p))
		}
	}
	return sums
}

// CarriedTo are the sums once ten and more of each place below one have given one more of
// the next.
func (a Asked) CarriedTo(p place.Place) []int {
	sums := a.Sums()
	for below := range p {
		if sums[below] >= 10 {
			sums[below] -= 10
			sums[below+1]++
		}
	}
	return sums
}

// join adds two numbers part by part, from the highest place; then what has come to ten or
// more gives one more of the next place, from the ones up.
func (w *worker) join() {
	sums := w.Asked.Sums()
	top := place.Place(len(sums) - 2)
	w.Enter(trace.Counting, place.Ones)
	for p := top; p >= place.Ones; p-- {
		so := slices.Clone(sums)
		clear(so[:p])
		w.Step(trace.Step{Kind: Together, To: p, Count: sums[p], Cards: parts(so)})
	}
	for p := place.Ones; p <= top; p++ {
		if count := w.Asked.CarriedTo(p)[p]; count >= 10 {
			w.Step(trace.Step{Kind: CarryUp, From: p, To: p + 1, Count: count, Cards: parts(w.Asked.CarriedTo(p + 1))})
		}
	}
}

// parts are what the places are worth, the highest first; nothing for an empty one.
func parts(sums []int) []place.Number {
	list := []place.Number{}
	for p, n := range slices.Backward(sums) {
		if n > 0 {
			list = append(list, place.Number(n*place.Place(p).Unit()))
		}
	}
	return list
}

// Said is the number that is said in the end: the sum of two that are added.
func (a Asked) Said() place.Number {
	if a.Answered == Join {
		return a.Number + a.With[0]
	}
	return a.Number
}
