package swap

import "vineswap/core/place"

// joinAll works a sum, and equal trays as a sum: each addend on its tray, all
// pushed together, then place by place from the ones.
func (w *worker) joinAll() {
	numbers := w.trace.Problem.Addends()
	w.trace.Columns = place.Columns(numbers)
	w.layOut(numbers)
	w.join(numbers)
	for _, c := range w.trace.Columns {
		w.work(c)
	}
}

// layOut builds each addend on its tray, with small cards. The number is
// written in the column when its tray is labelled.
func (w *worker) layOut(numbers []place.Number) {
	w.enter(LayOut, place.Ones)
	w.step(Step{Kind: SetOut})
	for i, n := range numbers {
		w.step(Step{Kind: Build, Tray: i + 1}, movesOf(place.Of(n), Store, Tray(i+1))...)
		w.writeNumber(Addend, i, n)
		w.step(Step{Kind: Label, Tray: i + 1, Cards: n.Expanded()})
	}
}

func (w *worker) join(numbers []place.Number) {
	w.enter(Joining, place.Ones)
	var moves []Move
	for i, n := range numbers {
		moves = append(moves, movesOf(place.Of(n), Tray(i+1), Joined)...)
	}
	w.step(Step{Kind: Join}, moves...)
}

// work counts one place, swaps its tens and writes what stays.
func (w *worker) work(c place.Column) {
	w.enter(Work, c.Place)
	w.step(Step{Kind: CountUp, Count: c.Count})
	for ten := 1; ten <= c.Out; ten++ {
		w.step(Step{Kind: Stop, Count: 10, Ten: ten})
		next, _ := c.Place.Next()
		if ten == c.Out {
			w.write(Cell{Role: Carried, Place: next, Digit: c.Out})
		}
		w.trace.Swaps = append(w.trace.Swaps, Swap{From: c.Place, To: next})
		w.step(Step{Kind: MakeSwap, Count: 10, Ten: ten}, Move{Joined, Store, c.Place, 10}, Move{Store, Joined, next, 1})
	}
	card := place.Number(c.Stays * c.Place.Unit())
	w.write(Cell{Role: Result, Place: c.Place, Digit: c.Stays})
	w.trace.Answer += card
	w.step(Step{Kind: Write, Count: c.Stays, Cards: card.Expanded()})
}
