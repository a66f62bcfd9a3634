package swap

import (
	"vineswap/core/piece"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/trace"
)

// check shows in another way that the answer is right. Joining is joined again
// in another order; of taking away and sharing what went is laid back, until
// the number that was begun with lies there again. None of it counts among the
// swaps of the work.
func (w *worker) check() {
	w.Enter(trace.Checking, place.Ones)
	switch w.made.Problem.Kind {
	case problem.Sum, problem.Trays:
		w.Step(trace.Step{Kind: CountPieces, Count: w.made.Answer.DigitSum()})
		w.Step(trace.Step{Kind: OtherWay})
		return
	case problem.Difference:
		w.Step(trace.Step{Kind: CountPieces, Count: w.made.Answer.DigitSum()})
	case problem.Sharing:
		w.Step(trace.Step{Kind: Match, Cards: w.made.Answer.Expanded()})
	}
	w.putBack()
}

// putBack lays everything to what stayed and undoes each swap, the last one first,
// so that never more lies in a place than before: in the end the number that was
// begun with lies there. Swaps of the same places that follow one another are
// undone at once.
func (w *worker) putBack() {
	var moves []trace.Move
	for _, pile := range w.Zones() {
		if pile.Zone != Start {
			moves = append(moves, movesOf(pile.Pieces, pile.Zone, Start)...)
		}
	}
	w.Step(trace.Step{Kind: PutBack}, moves...)
	for last := len(w.made.Swaps) - 1; last >= 0; {
		swap, times := w.made.Swaps[last], 0
		for ; last >= 0 && w.made.Swaps[last] == swap; last-- {
			times++
		}
		w.undo(swap, times)
	}
	w.Step(trace.Step{Kind: Compare})
}

// undo swaps up what was swapped down so many times: tens for one each, and nines
// of the places that it went over.
func (w *worker) undo(s Swap, times int) {
	moves := []trace.Move{trace.Moving(Start, trace.Store, piece.Of(s.To), 10*times)}
	for p := s.To + 1; p < s.From; p++ {
		moves = append(moves, trace.Moving(Start, trace.Store, piece.Of(p), 9*times))
	}
	w.Step(trace.Step{Kind: SwapUp, From: s.To, To: s.From, Count: 10 * times}, append(moves, trace.Moving(trace.Store, Start, piece.Of(s.From), times))...)
}
