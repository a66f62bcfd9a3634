package say

import (
	"vineswap/core/number"
	"vineswap/core/swap"
	"vineswap/core/task"
	"vineswap/core/trace"
)

// told is what belongs to one step: the words on the button that makes it, what is said
// once it is made, and what can be asked before it is shown.
type told struct {
	Do   string
	Says []Span
	Ask  string
}

// tables have, for each kind of task, what is told at the steps of its traces.
var tables = map[task.Kind]func(Words, trace.Trace) []told{number.Kind: numberTold}

// Lines returns, for each step of the trace of any task, its line and what can be asked
// before it.
func (w Words) Lines(t trace.Trace) (lines []Line, asks []string) {
	if p, of := swap.From(t); of {
		lines = w.Trace(p)
		for _, s := range t.Steps {
			asks = append(asks, w.Ask(p, s))
		}
		return lines, asks
	}
	for _, step := range tables[t.Task.Kind](w, t) {
		lines, asks = append(lines, Line{step.Do, step.Says}), append(asks, step.Ask)
	}
	return lines, asks
}
