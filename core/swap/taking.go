package swap

import "vineswap/core/place"

// take works a difference: the larger number is built, the smaller is cards
// alone; from the ones, what is short is swapped down, over zeros place by
// place, and what is to go is taken away.
func take(p Problem) Trace {
	w := worker{trace: Trace{Problem: p, Taking: place.TakingColumns(p.Numbers[0], p.Numbers[1])}}
	w.trace.Steps = make([]Step, 0, 6+5*len(w.trace.Taking))
	w.layOutLarger()
	for _, c := range w.trace.Taking {
		w.takeFrom(c)
	}
	w.read()
	return w.trace
}

// layOutLarger builds the larger number with large cards and lays the smaller
// as small cards.
func (w *worker) layOutLarger() {
	w.enter(LayOut, place.Ones)
	w.step(Step{Kind: SetOut})
	for i, n := range w.trace.Problem.Numbers {
		if i == 0 {
			w.step(Step{Kind: Build, Tray: 1}, movesOf(place.Of(n), Store, Start)...)
		}
		for p := n.Top(); p >= place.Ones; p-- {
			w.write(Cell{Role: []Role{Larger, Smaller}[i], Row: i, Place: p, Digit: n.Digit(p)})
		}
		w.step(Step{Kind: Label, Tray: i + 1, Cards: n.Expanded()})
	}
}

// takeFrom works one place: is there enough, a swap down where there is not,
// then what is to go is taken and what is left is written. Leading zeros are
// not written.
func (w *worker) takeFrom(c place.TakingColumn) {
	w.enter(Work, c.Place)
	here := w.zones.In(Start)[c.Place]
	w.step(Step{Kind: Look, Count: here})
	if here < c.Lower {
		w.swapDownTo(c.Place)
	}
	if c.Lower > 0 {
		w.step(Step{Kind: TakeAway, Count: c.Lower}, Move{Start, Taken, c.Place, c.Lower})
	}
	card := place.Number(c.Stays * c.Place.Unit())
	w.trace.Answer += card
	if answer := w.trace.Problem.Answer(); answer.Has(c.Place) {
		w.write(Cell{Role: Result, Place: c.Place, Digit: c.Stays})
	}
	w.step(Step{Kind: Write, Count: c.Stays, Cards: card.Expanded()})
}

// swapDownTo fetches ten for a place from the first place to the left that has
// some, swapping down place by place on the way back.
func (w *worker) swapDownTo(p place.Place) {
	from := p + 1
	for w.zones.In(Start)[from] == 0 {
		from++
	}
	for ; from > p; from-- {
		to := from - 1
		left := w.zones.In(Start)
		w.trace.Swaps = append(w.trace.Swaps, Swap{From: from, To: to})
		w.write(Cell{Role: Changed, Place: from, Digit: left[from] - 1})
		w.write(Cell{Role: Changed, Place: to, Digit: left[to] + 10})
		w.step(Step{Kind: SwapDown, Count: 1, From: from}, Move{Start, Store, from, 1}, Move{Store, Start, to, 10})
	}
}
