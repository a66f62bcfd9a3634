package swap

import (
	"vineswap/core/place"
	"vineswap/core/problem"
)

// check shows in another way that the answer is right. Joining is joined again
// in another order; of taking away and sharing what went is laid back, until
// the number that was begun with lies there again. None of it counts among the
// swaps of the work.
func (w *worker) check() {
	w.enter(Checking, place.Ones)
	switch w.trace.Problem.Kind {
	case problem.Sum, problem.Trays:
		w.step(Step{Kind: CountPieces, Count: w.trace.Answer.DigitSum()})
		w.step(Step{Kind: OtherWay})
		return
	case problem.Difference:
		w.step(Step{Kind: CountPieces, Count: w.trace.Answer.DigitSum()})
	case problem.Sharing:
		w.step(Step{Kind: Match, Cards: w.trace.Answer.Expanded()})
	}
	w.putBack()
}

// putBack lays everything to what stayed and undoes each swap, the last one first,
// so that never more lies in a place than before: in the end the number that was
// begun with lies there. Swaps of the same places that follow one another are
// undone at once.
func (w *worker) putBack() {
	var moves []Move
	for _, pile := range w.zones {
		if pile.Zone != Start {
			moves = append(moves, movesOf(pile.Pieces, pile.Zone, Start)...)
		}
	}
	w.step(Step{Kind: PutBack}, moves...)
	for last := len(w.trace.Swaps) - 1; last >= 0; {
		swap, times := w.trace.Swaps[last], 0
		for ; last >= 0 && w.trace.Swaps[last] == swap; last-- {
			times++
		}
		w.undo(swap, times)
	}
	w.step(Step{Kind: Compare})
}

// undo swaps up what was swapped down so many times: tens for one each, and nines
// of the places that it went over.
func (w *worker) undo(s Swap, times int) {
	moves := []Move{{Start, Store, s.To, 10 * times}}
	for p := s.To + 1; p < s.From; p++ {
		moves = append(moves, Move{Start, Store, p, 9 * times})
	}
	w.step(Step{Kind: SwapUp, From: s.To, To: s.From, Count: 10 * times}, append(moves, Move{Store, Start, s.From, times})...)
}
