package swap

import (
	"cmp"
	"errors"
	"fmt"

	"vineswap/core/place"
	"vineswap/core/problem"
)

// Method is how a class works, where practitioners differ. The zero value is the
// first side of every choice.
type Method struct {
	When  When
	Order Order
	Zeros Zeros
}

// When is when joining swaps: at ten while counting, or after the whole column.
type When string

// The sides of When. The empty word is AtTen.
const (
	AtTen       When = "at-ten"
	AfterColumn When = "after-column"
)

// Order is when taking away swaps: as each place needs it, or all swaps first.
type Order string

// The sides of Order. The empty word is AsNeeded.
const (
	AsNeeded   Order = "as-needed"
	SwapsFirst Order = "swaps-first"
)

// Zeros is how a swap goes over zeros: place by place, or as one.
type Zeros string

// The sides of Zeros. The empty word is PlaceByPlace.
const (
	PlaceByPlace Zeros = "place-by-place"
	AsOne        Zeros = "as-one"
)

// ErrMethod is wrapped by the error about a word that is no side of a method.
var ErrMethod = errors.New("there is no such way of working")

// ParseWhen reads a side of When.
func ParseWhen(text string) (When, error) { return side(text, AtTen, AfterColumn) }

// ParseOrder reads a side of Order.
func ParseOrder(text string) (Order, error) { return side(text, AsNeeded, SwapsFirst) }

// ParseZeros reads a side of Zeros.
func ParseZeros(text string) (Zeros, error) { return side(text, PlaceByPlace, AsOne) }

func side[T ~string](text string, sides ...T) (T, error) {
	for _, s := range sides {
		if string(s) == text {
			return s, nil
		}
	}
	return "", fmt.Errorf("%w: %q; it can be %s or %s", ErrMethod, text, sides[0], sides[1])
}

// usualSteps is room for the steps of most problems.
const usualSteps = 48

// Valid tells which side of a method is not known; nil for a method that can be worked by.
func (m Method) Valid() error {
	if _, err := ParseWhen(string(cmp.Or(m.When, AtTen))); err != nil {
		return err
	}
	if _, err := ParseOrder(string(cmp.Or(m.Order, AsNeeded))); err != nil {
		return err
	}
	_, err := ParseZeros(string(cmp.Or(m.Zeros, PlaceByPlace)))
	return err
}

// Solve works a problem by the method. The error is that of Problem.Valid, or of
// Method.Valid.
func (m Method) Solve(p problem.Problem) (Trace, error) {
	if err := p.Valid(); err != nil {
		return Trace{}, err
	}
	if err := m.Valid(); err != nil {
		return Trace{}, err
	}
	w := worker{method: m, trace: Trace{Problem: p, Method: m, Steps: make([]Step, 0, usualSteps)}}
	w.enter(Before, place.Ones)
	w.step(Step{Kind: Estimate})
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
	return w.trace, nil
}

// Solve works a problem by the first side of every choice.
func Solve(p problem.Problem) (Trace, error) { return Method{}.Solve(p) }

// worker carries the state from one step to the next.
type worker struct {
	method Method
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

// writeNumber writes a number's digits into a row, the highest first.
func (w *worker) writeNumber(role Role, row int, n place.Number) {
	for p := n.Top(); p >= place.Ones; p-- {
		w.write(Cell{Role: role, Row: row, Place: p, Digit: n.Digit(p)})
	}
}

// swapDownTo fetches ten for a place from the first place to the left that has
// some: place by place on the way back, or as one.
func (w *worker) swapDownTo(p place.Place) {
	from := p + 1
	for w.zones.In(Start)[from] == 0 {
		from++
	}
	if w.method.Zeros == AsOne {
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
	if w.trace.Problem.Kind == problem.Difference {
		w.writeSwap(from, to)
	}
	moves := []Move{{Start, Store, from, 1}}
	for p := from - 1; p > to; p-- {
		moves = append(moves, Move{Store, Start, p, 9})
	}
	moves = append(moves, Move{Store, Start, to, 10})
	w.trace.Swaps = append(w.trace.Swaps, Swap{From: from, To: to, Zeros: int(from - to - 1)})
	w.step(Step{Kind: SwapDown, Count: 1, From: from, To: to}, moves...)
}

// read slides the cards together, reads the result, says the work back and puts
// the answer in a sentence.
func (w *worker) read() {
	w.enter(Reading, place.Ones)
	w.step(Step{Kind: Slide, Cards: w.trace.Answer.Expanded()})
	w.step(Step{Kind: ReadOut})
	w.step(Step{Kind: SayBack})
	w.step(Step{Kind: Sentence})
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
