package swap

import (
	"vineswap/core/piece"
	"vineswap/core/place"
	"vineswap/core/trace"
)

// joinAll works a sum, and equal trays as a sum: each addend on its tray, all
// pushed together, then place by place from the ones.
func (w *worker) joinAll() {
	numbers := w.made.Problem.Addends()
	w.made.Columns = place.Columns(numbers)
	w.layOut(numbers)
	w.join(numbers)
	for _, c := range w.made.Columns {
		w.work(c)
	}
}

// layOut builds each addend on its tray, with small cards. The number is
// written in the column when its tray is labelled.
func (w *worker) layOut(numbers []place.Number) {
	w.Enter(trace.LayOut, place.Ones)
	w.Step(trace.Step{Kind: SetOut})
	for i, n := range numbers {
		w.Step(trace.Step{Kind: Build, Tray: i + 1}, movesOf(piece.Building(n), trace.Store, Tray(i+1))...)
		w.writeNumber(trace.Addend, i, n)
		w.Step(trace.Step{Kind: Label, Tray: i + 1, Cards: n.Expanded()})
	}
}

func (w *worker) join(numbers []place.Number) {
	w.Enter(trace.Joining, place.Ones)
	var moves []trace.Move
	for i, n := range numbers {
		moves = append(moves, movesOf(piece.Building(n), Tray(i+1), Joined)...)
	}
	w.Step(trace.Step{Kind: Join}, moves...)
}

// work counts one place, swaps its tens and writes what stays.
func (w *worker) work(c place.Column) {
	w.Enter(trace.Work, c.Place)
	w.Step(trace.Step{Kind: CountUp, Count: c.Count})
	for ten := 1; ten <= c.Out; ten++ {
		w.Step(trace.Step{Kind: Stop, Count: 10, Ten: ten})
		next, _ := c.Place.Next()
		if ten == c.Out {
			w.Write(trace.Cell{Role: trace.Carried, Place: next, Digit: c.Out})
		}
		w.made.Swaps = append(w.made.Swaps, Swap{From: c.Place, To: next})
		w.Step(trace.Step{Kind: MakeSwap, Count: 10, Ten: ten}, trace.Moving(Joined, trace.Store, piece.Of(c.Place), 10), trace.Moving(trace.Store, Joined, piece.Of(next), 1))
	}
	card := place.Number(c.Stays * c.Place.Unit())
	w.Write(trace.Cell{Role: trace.Result, Place: c.Place, Digit: c.Stays})
	w.made.Answer += card
	w.Step(trace.Step{Kind: Write, Count: c.Stays, Cards: card.Expanded()})
}
