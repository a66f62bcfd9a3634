package swap

import "vineswap/core/place"

// check shows in another way that the answer is right. Joining is joined again
// in another order; of taking away and sharing what went is laid back, until
// the number that was begun with lies there again. None of it counts among the
// swaps of the work.
func (w *worker) check() {
	w.enter(Checking, place.Ones)
	switch w.trace.Problem.Kind {
	case Sum, Trays:
		w.step(Step{Kind: CountPieces, Count: w.trace.Answer.DigitSum()})
		w.step(Step{Kind: OtherWay})
		return
	case Difference:
		w.step(Step{Kind: CountPieces, Count: w.trace.Answer.DigitSum()})
	case Sharing:
		w.step(Step{Kind: Match, Cards: w.trace.Answer.Expanded()})
	}
	w.putBack()
}

// putBack lays everything to what stayed and swaps it up until the number that
// was begun with lies there.
func (w *worker) putBack() {
	var moves []Move
	for _, pile := range w.zones {
		if pile.Zone != Start {
			moves = append(moves, movesOf(pile.Pieces, pile.Zone, Start)...)
		}
	}
	w.step(Step{Kind: PutBack}, moves...)
	for p := place.Ones; p < place.Millions; p++ {
		if tens := w.zones.In(Start)[p] / 10; tens > 0 {
			w.step(Step{Kind: SwapUp, From: p, To: p + 1, Count: 10 * tens}, Move{Start, Store, p, 10 * tens}, Move{Store, Start, p + 1, tens})
		}
	}
	w.step(Step{Kind: Compare})
}
