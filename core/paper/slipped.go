package paper

import (
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/slip"
	"vineswap/core/task"
	"vineswap/core/trace"
)

// Slipped sets a sum or a difference on paper as a child writes it who works with slips.
func (n Notation) Slipped(o slip.Operation, w slip.Written) Sheet {
	n = n.usual()
	kind := map[slip.Operation]task.Kind{slip.Add: problem.Sum, slip.Take: problem.Difference}[o]
	s := Sheet{Kind: kind, Notation: n, Under: n.Carried == Under && o == slip.Add}
	for i, c := range w.Columns {
		s.Numbers = len(c.Digits)
		for row, d := range c.Digits {
			if d != slip.Blank {
				s.write(trace.Cell{Role: s.roleOf(row + 1), Row: row, Place: place.Place(i), Digit: d})
			}
		}
	}
	for i, c := range w.Columns {
		if c.Carried > 0 {
			s.write(trace.Cell{Role: trace.Carried, Place: place.Place(i), Digit: c.Carried})
		}
		for _, top := range c.Tops {
			s.write(trace.Cell{Role: trace.Changed, Place: place.Place(i), Digit: top})
		}
	}
	for i, c := range w.Columns {
		if c.Result != "" {
			digits, _ := task.ReadNumber(c.Result)
			s.Marks = append(s.Marks, Mark{Row: s.ResultRow(), Place: place.Place(i), Digit: int(digits)})
		}
	}
	for _, m := range s.Marks {
		s.Over = max(s.Over, 1-m.Row)
	}
	return s
}
