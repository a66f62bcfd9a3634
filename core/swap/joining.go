package swap

import "vineswap/core/place"

// Solve works a problem. The error is that of Problem.Valid.
func Solve(p Problem) (Trace, error) {
	if err := p.Valid(); err != nil {
		return Trace{}, err
	}
	if p.Kind == Difference {
		return take(p), nil
	}
	return join(p), nil
}

func join(p Problem) Trace {
	w := worker{trace: Trace{Problem: p, Columns: place.Columns(p.Numbers)}}
	w.trace.Steps = make([]Step, 0, 8+2*len(p.Numbers)+4*len(w.trace.Columns))
	w.layOut()
	w.join()
	for _, c := range w.trace.Columns {
		w.work(c)
	}
	w.read()
	return w.trace
}

// worker carries the state from one step to the next.
type worker struct {
	trace  Trace
	zones  Zones
	column []Cell
	at     Position
}

// enter begins a phase: ordinals count from 0 again.
func (w *worker) enter(phase Phase, p place.Place) { w.at = Position{Phase: phase, Place: p} }

// step adds a step that makes the given moves.
func (w *worker) step(s Step, moves ...Move) {
	w.zones = w.zones.after(moves)
	s.At, s.Moves, s.Zones = w.at, moves, w.zones
	s.Column = w.column[:len(w.column):len(w.column)]
	w.trace.Steps = append(w.trace.Steps, s)
	w.at.Ordinal++
}

func (w *worker) write(c Cell) { w.column = append(w.column, c) }

// layOut builds each addend on its tray, with small cards. The number is
// written in the column when its tray is labelled.
func (w *worker) layOut() {
	w.enter(LayOut, place.Ones)
	w.step(Step{Kind: SetOut})
	for i, n := range w.trace.Problem.Numbers {
		w.step(Step{Kind: Build, Tray: i + 1}, movesOf(place.Of(n), Store, Tray(i+1))...)
		for p := n.Top(); p >= place.Ones; p-- {
			w.write(Cell{Role: Addend, Row: i, Place: p, Digit: n.Digit(p)})
		}
		w.step(Step{Kind: Label, Tray: i + 1, Cards: n.Expanded()})
	}
}

func (w *worker) join() {
	w.enter(Joining, place.Ones)
	var moves []Move
	for i, n := range w.trace.Problem.Numbers {
		moves = append(moves, movesOf(place.Of(n), Tray(i+1), Joined)...)
	}
	w.step(Step{Kind: Join}, moves...)
}

// work counts one place, swaps at each ten while counting, and writes what
// stays.
func (w *worker) work(c place.Column) {
	w.enter(Work, c.Place)
	w.step(Step{Kind: CountUp, Count: c.Sum()})
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

func (w *worker) read() {
	w.enter(Reading, place.Ones)
	w.step(Step{Kind: Slide, Cards: w.trace.Answer.Expanded()})
	w.step(Step{Kind: ReadOut})
	w.step(Step{Kind: SayBack})
}

// movesOf moves a holding, highest place first, as it is carried.
func movesOf(pieces place.Holding, from, to Zone) []Move {
	var moves []Move
	for p := place.Millions; p >= place.Ones; p-- {
		if pieces[p] > 0 {
			moves = append(moves, Move{from, to, p, pieces[p]})
		}
	}
	return moves
}
