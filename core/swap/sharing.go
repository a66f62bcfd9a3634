package swap

import "vineswap/core/place"

// share works a sharing: from the highest place what lies there is dealt round
// evenly, what cannot be dealt is swapped down, and what is left of the ones is
// the remainder. The answer is what one sharer has.
func (w *worker) share() {
	number, sharers := w.trace.Problem.Numbers[0], int(w.trace.Problem.Numbers[1])
	w.trace.Columns = place.SharingColumns(number, sharers)
	w.layOutLarger(number)
	for _, c := range w.trace.Columns {
		w.enter(Work, c.Place)
		w.step(Step{Kind: Look, Count: c.Count})
		w.deal(c, sharers)
		card := place.Number(c.Stays * c.Place.Unit())
		w.trace.Answer += card
		if c.Stays > 0 || w.trace.Answer > 0 || c.Place == place.Ones {
			w.write(Cell{Role: Result, Place: c.Place, Digit: c.Stays})
		}
		w.step(Step{Kind: Write, Count: c.Stays, Cards: card.Expanded()})
		if c.Place > place.Ones {
			w.sendDown(c)
		}
	}
	w.leave(w.trace.Columns[len(w.trace.Columns)-1].Out)
}

// sendDown swaps down, one by one, what could not be dealt in a place.
func (w *worker) sendDown(c place.Column) {
	for ten := range c.Out {
		w.write(Cell{Role: Brought, Place: c.Place - 1, Digit: ten + 1})
		w.swapDown(c.Place, c.Place-1)
	}
}

// deal deals what lies in a place round, as often as it goes.
func (w *worker) deal(c place.Column, sharers int) {
	if c.Stays == 0 {
		return
	}
	var moves []Move
	for i := range sharers {
		moves = append(moves, Move{Start, Share(i + 1), c.Place, c.Stays})
	}
	w.step(Step{Kind: Deal, Count: c.Stays}, moves...)
}

// leave lays what cannot be dealt or grouped aside as the remainder.
func (w *worker) leave(rest int) {
	w.trace.Remainder = place.Number(rest)
	if rest > 0 {
		w.step(Step{Kind: Leave, Count: rest}, Move{Start, Remainder, place.Ones, rest})
	}
}

// group works a grouping: groups of so many ones are taken off, a ten swapped
// down where fewer lie there. The answer is the number of groups.
func (w *worker) group() {
	number, size := w.trace.Problem.Numbers[0], int(w.trace.Problem.Numbers[1])
	w.layOutLarger(number)
	w.enter(Work, place.Ones)
	for left := int(number); left >= size; left -= size {
		if w.zones.In(Start)[place.Ones] < size {
			w.swapDownTo(place.Ones)
		}
		w.trace.Answer++
		w.step(Step{Kind: TakeGroup, Count: size, Ten: int(w.trace.Answer)}, Move{Start, Groups, place.Ones, size})
	}
	// What is left is ones: fewer than a group, and less than nine.
	for w.zones.In(Start).Pieces() != w.zones.In(Start)[place.Ones] {
		w.swapDownTo(place.Ones)
	}
	w.leave(w.zones.In(Start)[place.Ones])
	w.writeNumber(Result, 0, w.trace.Answer)
}
