package swap

import (
	"vineswap/core/piece"
	"vineswap/core/place"
	"vineswap/core/trace"
)

// share works a sharing: from the highest place what lies there is dealt round
// evenly, what cannot be dealt is swapped down, and what is left of the ones is
// the remainder. The answer is what one sharer has.
func (w *worker) share() {
	number, sharers := w.made.Problem.Numbers[0], int(w.made.Problem.Numbers[1])
	w.made.Columns = place.SharingColumns(number, sharers)
	w.layOutLarger(number)
	for _, c := range w.made.Columns {
		w.Enter(trace.Work, c.Place)
		w.Step(trace.Step{Kind: Look, Count: c.Count})
		w.deal(c, sharers)
		card := place.Number(c.Stays * c.Place.Unit())
		w.made.Answer += card
		if c.Stays > 0 || w.made.Answer > 0 || c.Place == place.Ones {
			w.Write(trace.Cell{Role: trace.Result, Place: c.Place, Digit: c.Stays})
		}
		w.Step(trace.Step{Kind: Write, Count: c.Stays, Cards: card.Expanded()})
		if c.Place > place.Ones {
			w.sendDown(c)
		}
	}
	w.leave(w.made.Columns[len(w.made.Columns)-1].Out)
}

// sendDown swaps down, one by one, what could not be dealt in a place.
func (w *worker) sendDown(c place.Column) {
	for ten := range c.Out {
		w.Write(trace.Cell{Role: trace.Brought, Place: c.Place - 1, Digit: ten + 1})
		w.swapDown(c.Place, c.Place-1)
	}
}

// deal deals what lies in a place round, as often as it goes.
func (w *worker) deal(c place.Column, sharers int) {
	if c.Stays == 0 {
		return
	}
	var moves []trace.Move
	for i := range sharers {
		moves = append(moves, trace.Moving(Start, Share(i+1), piece.Of(c.Place), c.Stays))
	}
	w.Step(trace.Step{Kind: Deal, Count: c.Stays}, moves...)
}

// leave lays what cannot be dealt or grouped aside as the remainder.
func (w *worker) leave(rest int) {
	w.made.Remainder = place.Number(rest)
	if rest > 0 {
		w.Step(trace.Step{Kind: Leave, Count: rest}, trace.Moving(Start, Remainder, piece.Of(place.Ones), rest))
	}
}

// group works a grouping: groups of so many ones are taken off, a ten swapped
// down where fewer lie there. The answer is the number of groups.
func (w *worker) group() {
	number, size := w.made.Problem.Numbers[0], int(w.made.Problem.Numbers[1])
	w.layOutLarger(number)
	w.Enter(trace.Work, place.Ones)
	for left := int(number); left >= size; left -= size {
		if w.Zones().In(Start).At(place.Ones) < size {
			w.swapDownTo(place.Ones)
		}
		w.made.Answer++
		w.Step(trace.Step{Kind: TakeGroup, Count: size, Ten: int(w.made.Answer)}, trace.Moving(Start, Groups, piece.Of(place.Ones), size))
	}
	// What is left is ones: fewer than a group, and less than nine.
	for w.Zones().In(Start).Pieces() != w.Zones().In(Start).At(place.Ones) {
		w.swapDownTo(place.Ones)
	}
	w.leave(w.Zones().In(Start).At(place.Ones))
	w.writeNumber(trace.Result, 0, w.made.Answer)
}
