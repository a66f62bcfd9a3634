package swap

import "vineswap/core/place"

// take works a difference: the larger number is built, the smaller is cards
// alone; from the ones, what is short is swapped down and what is to go is taken
// away. With all swaps first the taking follows when nothing is short any more.
func (w *worker) take() {
	larger, smaller := w.trace.Problem.Numbers[0], w.trace.Problem.Numbers[1]
	w.trace.Columns = place.TakingColumns(larger, smaller)
	w.layOutLarger(larger)
	w.writeNumber(Smaller, 1, smaller)
	w.step(Step{Kind: Label, Tray: 2, Cards: smaller.Expanded()})
	if w.method.Order == SwapsFirst {
		for _, c := range w.trace.Columns {
			w.enter(Swapping, c.Place)
			w.look(c)
		}
	}
	for _, c := range w.trace.Columns {
		w.enter(Work, c.Place)
		if w.method.Order != SwapsFirst {
			w.look(c)
		}
		w.takeFrom(c)
	}
}

// layOutLarger builds the one number that is worked from, with large cards.
func (w *worker) layOutLarger(n place.Number) {
	w.enter(LayOut, place.Ones)
	w.step(Step{Kind: SetOut})
	w.step(Step{Kind: Build, Tray: 1}, movesOf(place.Of(n), Store, Start)...)
	w.writeNumber(Larger, 0, n)
	w.step(Step{Kind: Label, Tray: 1, Cards: n.Expanded()})
}

// look sees whether there is enough in a place, and swaps down where there is
// not.
func (w *worker) look(c place.Column) {
	here := w.zones.In(Start)[c.Place]
	w.step(Step{Kind: Look, Count: here})
	if here < c.Lower() {
		w.swapDownTo(c.Place)
	}
}

// writeSwap writes what stands in the places of a swap down after it.
func (w *worker) writeSwap(from, to place.Place) {
	lying := w.zones.In(Start)
	w.write(Cell{Role: Changed, Place: from, Digit: lying[from] - 1})
	for p := from - 1; p > to; p-- {
		w.write(Cell{Role: Changed, Place: p, Digit: 9})
	}
	w.write(Cell{Role: Changed, Place: to, Digit: lying[to] + 10})
}

// takeFrom takes away what is to go from a place and writes what is left.
// Leading zeros are not written.
func (w *worker) takeFrom(c place.Column) {
	if c.Lower() > 0 {
		w.step(Step{Kind: TakeAway, Count: c.Lower()}, Move{Start, Taken, c.Place, c.Lower()})
	}
	card := place.Number(c.Stays * c.Place.Unit())
	w.trace.Answer += card
	if answer := w.trace.Problem.Answer(); answer.Has(c.Place) {
		w.write(Cell{Role: Result, Place: c.Place, Digit: c.Stays})
	}
	w.step(Step{Kind: Write, Count: c.Stays, Cards: card.Expanded()})
}
