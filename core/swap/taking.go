package swap

import (
	"vineswap/core/piece"
	"vineswap/core/place"
	"vineswap/core/trace"
)

// take works a difference: the larger number is built, the smaller is cards
// alone; from the ones, what is short is swapped down and what is to go is taken
// away. With all swaps first the taking follows when nothing is short any more.
func (w *worker) take() {
	larger, smaller := w.made.Problem.Numbers[0], w.made.Problem.Numbers[1]
	w.made.Columns = place.TakingColumns(larger, smaller)
	w.layOutLarger(larger)
	w.writeNumber(trace.Smaller, 1, smaller)
	w.Step(trace.Step{Kind: Label, Tray: 2, Cards: smaller.Expanded()})
	if w.method.Order == trace.SwapsFirst {
		for _, c := range w.made.Columns {
			w.Enter(trace.Swapping, c.Place)
			w.look(c)
		}
	}
	for _, c := range w.made.Columns {
		w.Enter(trace.Work, c.Place)
		if w.method.Order != trace.SwapsFirst {
			w.look(c)
		}
		w.takeFrom(c)
	}
}

// layOutLarger builds the one number that is worked from, with large cards.
func (w *worker) layOutLarger(n place.Number) {
	w.Enter(trace.LayOut, place.Ones)
	w.Step(trace.Step{Kind: SetOut})
	w.Step(trace.Step{Kind: Build, Tray: 1}, movesOf(piece.Building(n), trace.Store, Start)...)
	w.writeNumber(trace.Larger, 0, n)
	w.Step(trace.Step{Kind: Label, Tray: 1, Cards: n.Expanded()})
}

// look sees whether there is enough in a place, and swaps down where there is
// not.
func (w *worker) look(c place.Column) {
	here := w.Zones().In(Start).At(c.Place)
	w.Step(trace.Step{Kind: Look, Count: here})
	if here < c.Lower() {
		w.swapDownTo(c.Place)
	}
}

// writeSwap writes what stands in the places of a swap down after it.
func (w *worker) writeSwap(from, to place.Place) {
	lying := w.Zones().In(Start)
	w.Write(trace.Cell{Role: trace.Changed, Place: from, Digit: lying.At(from) - 1})
	for p := from - 1; p > to; p-- {
		w.Write(trace.Cell{Role: trace.Changed, Place: p, Digit: 9})
	}
	w.Write(trace.Cell{Role: trace.Changed, Place: to, Digit: lying.At(to) + 10})
}

// takeFrom takes away what is to go from a place and writes what is left.
// Leading zeros are not written.
func (w *worker) takeFrom(c place.Column) {
	if c.Lower() > 0 {
		w.Step(trace.Step{Kind: TakeAway, Count: c.Lower()}, trace.Moving(Start, Taken, piece.Of(c.Place), c.Lower()))
	}
	card := place.Number(c.Stays * c.Place.Unit())
	w.made.Answer += card
	if answer := w.made.Problem.Answer(); answer.Has(c.Place) {
		w.Write(trace.Cell{Role: trace.Result, Place: c.Place, Digit: c.Stays})
	}
	w.Step(trace.Step{Kind: Write, Count: c.Stays, Cards: card.Expanded()})
}
