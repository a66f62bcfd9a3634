package trace

import (
	"vineswap/core/piece"
	"vineswap/core/place"
)

// Tracer makes a trace step by step: it carries where the pieces lie, what is written
// and where in the work it is. The zero value is an empty mat.
type Tracer struct {
	steps  []Step
	zones  Zones
	column []Cell
	at     Position
}

// usualSteps is room for the steps of most tasks.
const usualSteps = 48

// Enter begins a phase, at a place of it where the phase is done place by place:
// ordinals count from 0 again.
func (t *Tracer) Enter(phase Phase, p place.Place) { t.at = Position{Phase: phase, Place: p} }

// Step adds a step that makes the given moves.
func (t *Tracer) Step(s Step, moves ...Move) {
	if t.steps == nil {
		t.steps = make([]Step, 0, usualSteps)
	}
	t.zones = t.zones.After(moves)
	s.At, s.Moves, s.Zones = t.at, moves, t.zones
	s.Column = t.column[:len(t.column):len(t.column)]
	t.steps = append(t.steps, s)
	t.at.Ordinal++
}

// Write writes a digit; it is seen from the next step on.
func (t *Tracer) Write(c Cell) { t.column = append(t.column, c) }

// Steps are those made so far.
func (t *Tracer) Steps() []Step { return t.steps }

// Zones is where the pieces lie now.
func (t *Tracer) Zones() Zones { return t.zones }

// Moving is count of a piece going from one zone to another.
func Moving(from, to Zone, p piece.Piece, count int) Move { return Move{from, to, p, count} }

// Viewer is a Tracer that keeps beside each step how everything lies after it, in the words of
// the room that works the task.
type Viewer[V any] struct {
	Tracer
	View  V // how it lies now
	Views []V
}

// Show adds a step after which everything lies as the view says.
func (v *Viewer[V]) Show(s Step, moves ...Move) {
	v.Step(s, moves...)
	v.Views = append(v.Views, v.View)
}
