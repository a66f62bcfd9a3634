package swap

import (
	"vineswap/core/piece"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/task"
	"vineswap/core/trace"
)

func init() {
	for _, kind := range problem.Kinds() {
		trace.Register(kind, func(t task.Task, m trace.Method) (trace.Trace, error) {
			p, _ := problem.From(t)
			worked, err := By(m, p)
			return worked.Trace, err
		})
	}
}

// By works a problem by a method. The error is that of Problem.Valid, or of
// Method.Valid.
func By(m trace.Method, p problem.Problem) (Trace, error) {
	if err := p.Valid(); err != nil {
		return Trace{}, err
	}
	if err := m.Valid(); err != nil {
		return Trace{}, err
	}
	w := worker{method: m, made: &Work{Problem: p, Method: m}}
	w.Enter(trace.Before, place.Ones)
	w.Step(trace.Step{Kind: Estimate})
	switch p.Kind {
	case problem.Difference:
		w.take()
	case problem.Sharing:
		w.share()
	case problem.Grouping:
		w.group()
	default:
		w.joinAll()
	}
	w.read()
	w.check()
	return Trace{trace.Trace{Task: p.Task(), Scene: trace.Problem, Steps: w.Steps(), Own: w.made}, *w.made}, nil
}

// Solve works a problem by the first side of every choice.
func Solve(p problem.Problem) (Trace, error) { return By(trace.Method{}, p) }

// worker is a problem as it is worked.
type worker struct {
	trace.Tracer
	method trace.Method
	made   *Work
}

// writeNumber writes a number's digits into a row, the highest first.
func (w *worker) writeNumber(role trace.Role, row int, n place.Number) {
	for p := n.Top(); p >= place.Ones; p-- {
		w.Write(trace.Cell{Role: role, Row: row, Place: p, Digit: n.Digit(p)})
	}
}

// swapDownTo fetches ten for a place from the first place to the left that has
// some: place by place on the way back, or as one.
func (w *worker) swapDownTo(p place.Place) {
	from := p + 1
	for w.Zones().In(Start).At(from) == 0 {
		from++
	}
	if w.method.Zeros == trace.AsOne {
		w.swapDown(from, p)
		return
	}
	for ; from > p; from-- {
		w.swapDown(from, from-1)
	}
}

// swapDown makes one swap down: one of from goes to the store, and back come ten
// of to and, where it goes over zeros as one, nine of each place between. Of the
// operations that swap down taking away alone writes what then stands there.
func (w *worker) swapDown(from, to place.Place) {
	if w.made.Problem.Kind == problem.Difference {
		w.writeSwap(from, to)
	}
	moves := []trace.Move{trace.Moving(Start, trace.Store, piece.Of(from), 1)}
	for p := from - 1; p > to; p-- {
		moves = append(moves, trace.Moving(trace.Store, Start, piece.Of(p), 9))
	}
	moves = append(moves, trace.Moving(trace.Store, Start, piece.Of(to), 10))
	w.made.Swaps = append(w.made.Swaps, Swap{From: from, To: to, Zeros: int(from - to - 1)})
	w.Step(trace.Step{Kind: SwapDown, Count: 1, From: from, To: to}, moves...)
}

// read slides the cards together, reads the result, says the work back and puts
// the answer in a sentence.
func (w *worker) read() {
	w.Enter(trace.Reading, place.Ones)
	w.Step(trace.Step{Kind: Slide, Cards: w.made.Answer.Expanded()})
	w.Step(trace.Step{Kind: ReadOut})
	w.Step(trace.Step{Kind: SayBack})
	w.Step(trace.Step{Kind: Sentence})
}

// movesOf moves a holding, highest place first, as it is carried.
func movesOf(pieces piece.Holding, from, to trace.Zone) []trace.Move {
	var moves []trace.Move
	for p := place.Millions; p >= place.Ones; p-- {
		if pieces.At(p) > 0 {
			moves = append(moves, trace.Moving(from, to, piece.Of(p), pieces.At(p)))
		}
	}
	return moves
}
