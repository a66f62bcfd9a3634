package number

import (
	"vineswap/core/piece"
	"vineswap/core/place"
	"vineswap/core/rename"
	"vineswap/core/trace"
)

// fewSwaps is up to how many swaps are made one by one; of more, those of one place are made
// at once.
const fewSwaps = 4

// change is some of one place for ten times as many of the next lower one.
type change struct {
	from  place.Place
	count int // of the higher place
}

// changes are the swaps down that lead from the usual way of a number to another one, the
// highest place first.
func changes(n place.Number, way piece.Holding) []change {
	thousands, hundreds, tens := rename.Down(n, way)
	var list []change
	for _, c := range []change{{place.Thousands, thousands}, {place.Hundreds, hundreds}, {place.Tens, tens}} {
		switch {
		case c.count > 0 && thousands+hundreds+tens > fewSwaps:
			list = append(list, c)
		case c.count > 0:
			for range c.count {
				list = append(list, change{c.from, 1})
			}
		}
	}
	return list
}

// down makes the swaps one after another.
func (w *worker) down(list []change) {
	for _, c := range list {
		w.Step(trace.Step{Kind: SwapDown, From: c.from, To: c.from - 1, Count: c.count}, trace.Moving(Tray, trace.Store, piece.Of(c.from), c.count), trace.Moving(trace.Store, Tray, piece.Of(c.from-1), 10*c.count))
	}
}

// up makes the same swaps back, the last first.
func (w *worker) up(list []change, pieces bool) {
	for i := len(list) - 1; i >= 0; i-- {
		c := list[i]
		var moves []trace.Move
		if pieces {
			moves = []trace.Move{trace.Moving(Tray, trace.Store, piece.Of(c.from-1), 10*c.count), trace.Moving(trace.Store, Tray, piece.Of(c.from), c.count)}
		}
		w.Step(trace.Step{Kind: SwapUp, From: c.from - 1, To: c.from, Count: 10 * c.count}, moves...)
	}
}

// layUsual lays the pieces of the number as they usually lie, place by place, the highest
// first; nothing where they lie there.
func (w *worker) layUsual() {
	w.scenes = InPlaces
	if w.Asked.Shown == Pieces {
		return
	}
	for _, p := range w.Asked.Places() {
		n := w.Asked.Number.Digit(p)
		w.Step(trace.Step{Kind: Each, To: p, Count: n}, w.some(trace.Store, Tray, piece.Of(p), n)...)
	}
}

// rename swaps down until the number lies in another way, counts what is asked, and swaps
// back. A way that no tray holds is only said.
func (w *worker) rename(way piece.Holding, asked place.Place) {
	if !rename.Fits(way) {
		w.Enter(trace.Counting, place.Ones)
		w.Step(trace.Step{Kind: Each, To: asked, Count: way.At(asked)})
		return
	}
	w.layUsual()
	list := changes(w.Asked.Number, way)
	w.Enter(trace.Counting, place.Ones)
	w.down(list)
	w.Step(trace.Step{Kind: Each, To: asked, Count: way.At(asked)})
	w.up(list, true)
}

// lies shows pieces that lie in some way.
func (w *worker) lies(way piece.Holding) {
	w.scenes = InPlaces
	var moves []trace.Move
	for p := place.Thousands; p >= place.Ones; p-- {
		moves = append(moves, w.some(trace.Store, Tray, piece.Of(p), way.At(p))...)
	}
	w.Step(trace.Step{Kind: Ask, Count: w.n}, moves...)
}

// swapBack counts, or lays, what there is of each place and swaps up until the number lies
// as usual.
func (w *worker) swapBack() {
	way := w.Asked.Holding()
	laid := rename.Fits(way)
	if laid {
		w.scenes = InPlaces
	}
	if w.Asked.Shown == Unswapped {
		w.Enter(trace.Counting, place.Ones)
	}
	for p := highest(way); p >= place.Ones; p-- {
		var moves []trace.Move
		if w.Asked.Shown == Renamed && laid {
			moves = w.some(trace.Store, Tray, piece.Of(p), way.At(p))
		}
		w.Step(trace.Step{Kind: Each, To: p, Count: way.At(p)}, moves...)
	}
	if w.Asked.Shown == Renamed {
		w.Enter(trace.Counting, place.Ones)
	}
	w.up(changes(w.Asked.Number, way), laid)
}

// highest is the highest place of which anything lies.
func highest(way piece.Holding) place.Place {
	p := place.Thousands
	for p > place.Ones && way.At(p) == 0 {
		p--
	}
	return p
}
