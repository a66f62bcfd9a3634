package paper

import (
	"fmt"
	"slices"
	"strings"

	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/swap"
	"vineswap/core/task"
	"vineswap/core/trace"
)

// Sheet is a written column as it stands on paper: marks in rows and places.
// The numbers stand in the rows 1 to Numbers; the rows 0, −1, … lie over the
// first; Numbers+1 lies under the last; under the line stands Numbers+2.
type Sheet struct {
	Kind     task.Kind
	Notation Notation
	Numbers  int  // rows of numbers
	Over     int  // rows kept over the first number, in all steps of a trace
	Under    bool // whether a row is kept under the last number
	By       int  // what the number is divided by, or how many equal groups there are; 0 for others
	Left     int  // the remainder, once it is written beside the result
	Marks    []Mark
}

// Mark is one digit as it is written; what stands in a place after a swap down
// may be ten and more.
type Mark struct {
	Row    int
	Place  place.Place
	Digit  int
	Side   Side
	Struck bool // crossed out
}

// Side is where in its square a mark stands.
type Side string

// The sides of a mark. The empty word is the whole square.
const (
	Whole      Side = ""
	Small      Side = "small"       // small, alone in its square
	SmallFront Side = "small-front" // small, in front of the digit
	SmallAside Side = "small-aside" // small, beside the digit
)

// ResultRow is the row under the line.
func (s Sheet) ResultRow() int { return s.Numbers + 2 }

// Sign is what stands before the last number; what is divided has its sign behind it.
func (s Sheet) Sign() string {
	switch {
	case s.Divides():
		return ""
	case s.Kind == problem.Trays && s.Notation.Added:
		return problem.Sign(problem.Sum)
	}
	return problem.Sign(s.Kind)
}

// Divides tells whether the number is divided: "÷ 4" stands behind it.
func (s Sheet) Divides() bool { return s.Kind == problem.Sharing || s.Kind == problem.Grouping }

// Behind is what stands behind the number that is divided: "÷ 4"; empty for others.
func (s Sheet) Behind() string {
	if !s.Divides() {
		return ""
	}
	return fmt.Sprintf("%s %d", problem.Sign(s.Kind), s.By)
}

// Beside is the remainder as it is written beside the result: "r 1"; empty without one.
func (s Sheet) Beside() string { return strings.TrimSpace(remainder(s.Left)) }

// multiplies tells whether equal groups are written once, with their number under
// them: 23, and × 4.
func (s Sheet) multiplies() bool { return s.Kind == problem.Trays && !s.Notation.Added }

// UnderRow is the row between the last number and the line.
func (s Sheet) UnderRow() int { return s.Numbers + 1 }

// Sheets sets the column of every step of a trace on paper.
func (n Notation) Sheets(t swap.Trace) []Sheet {
	last := n.usual().on(t, len(t.Steps)-1)
	over := 0
	if t.Columns != nil && last.Notation.Carried == Above {
		over = 1
	}
	for _, m := range last.Marks {
		over = max(over, 1-m.Row)
	}
	sheets := make([]Sheet, len(t.Steps))
	for i := range t.Steps {
		switch {
		case i > 0 && len(t.Steps[i].Column) == len(t.Steps[i-1].Column):
			sheets[i] = sheets[i-1] // nothing was written
		default:
			sheets[i] = n.usual().on(t, i)
			sheets[i].Over = over
		}
	}
	return sheets
}

// Sheet sets the finished column of a trace on paper.
func (n Notation) Sheet(t swap.Trace) Sheet {
	sheets := n.Sheets(t)
	return sheets[len(sheets)-1]
}

// usual fills in the first sides.
func (n Notation) usual() Notation {
	if n.Carried == "" {
		n.Carried = Above
	}
	if n.Crossing == "" {
		n.Crossing = CrossOut
	}
	return n
}

func (n Notation) on(t swap.Trace, step int) Sheet {
	s := Sheet{Kind: t.Problem.Kind, Notation: n, Numbers: n.rowsOf(t.Problem), Under: t.Columns != nil && n.Carried == Under}
	if s.Divides() || s.multiplies() {
		s.By = int(t.Problem.Numbers[1])
	}
	cells := t.Steps[step].Column
	s.Marks = make([]Mark, 0, len(cells)+4)
	if s.multiplies() && len(cells) > 0 {
		s.Marks = append(s.Marks, Mark{Row: 2, Place: place.Ones, Digit: s.By})
	}
	for _, c := range cells {
		s.write(c)
	}
	for _, c := range cells {
		if c.Role == trace.Result && c.Place == place.Ones {
			s.Left = int(t.Remainder)
		}
	}
	return s
}

// rowsOf is how many rows of numbers stand over the line: of sharing and grouping the
// number alone, of equal groups the number and how many there are.
func (n Notation) rowsOf(p problem.Problem) int {
	switch {
	case p.Kind == problem.Difference, p.Kind == problem.Trays && !n.Added:
		return 2
	case p.Rests():
		return 1
	}
	return len(p.Addends())
}

func (s *Sheet) write(c trace.Cell) {
	at := Mark{Place: c.Place, Digit: c.Digit}
	switch c.Role {
	case trace.Addend:
		if at.Row = c.Row + 1; s.multiplies() && c.Row > 0 {
			return
		}
	case trace.Larger, trace.Smaller:
		at.Row = c.Row + 1
	case trace.Result:
		at.Row = s.ResultRow()
	case trace.Carried:
		at.Row, at.Side = s.carriedTo()
	case trace.Brought:
		at.Row, at.Side = 1, SmallFront
		s.Marks = slices.DeleteFunc(s.Marks, func(m Mark) bool { return m.Side == SmallFront && m.Place == c.Place })
	case trace.Changed:
		s.change(at)
		return
	}
	s.Marks = append(s.Marks, at)
}

func (s *Sheet) carriedTo() (row int, side Side) {
	switch s.Notation.Carried {
	case Under:
		return s.UnderRow(), Small
	case Beside:
		return 1, SmallAside
	}
	return 0, Small
}

// change writes what stands in a place after a swap down. The small 1 in front
// makes a digit ten more; any other change is crossed out and written above.
func (s *Sheet) change(now Mark) {
	was := -1
	before := 0
	front := false
	for i, m := range s.Marks {
		if m.Place != now.Place || m.Row > 1 || m.Struck {
			continue
		}
		if m.Side == SmallFront {
			before += 10
			front = true
		} else {
			was, before = i, before+m.Digit
		}
	}
	if now.Row = 1; was >= 0 {
		now.Row = s.Marks[was].Row
	}
	if s.Notation.Crossing == InFront && now.Digit == before+10 && !front {
		now.Digit, now.Side = 1, SmallFront
		s.Marks = append(s.Marks, now)
		return
	}
	for i, m := range s.Marks {
		if m.Place == now.Place && m.Row <= 1 {
			s.Marks[i].Struck = true
		}
	}
	now.Row--
	s.Marks = append(s.Marks, now)
}

// Cells reads a sheet back: the cells of the column, the numbers first, row by
// row from the highest place, then from the ones up what came up, what changed
// in each place in the order of the changes, and what came down; at last the
// result from the highest place. Of what came down in several swaps each is
// read. A number that is multiplied is read as often as it is joined.
func (s Sheet) Cells() []trace.Cell {
	var cells []trace.Cell
	rows := s.Numbers
	if s.multiplies() {
		rows = s.By
	}
	for row := 1; row <= rows; row++ {
		from := row
		if s.multiplies() {
			from = 1
		}
		for _, m := range s.digits(from) {
			cells = append(cells, trace.Cell{Role: s.roleOf(row), Row: row - 1, Place: m.Place, Digit: m.Digit})
		}
	}
	for p := range place.Place(place.Count) {
		cells = append(cells, s.smallAt(p)...)
	}
	for _, m := range s.digits(s.ResultRow()) {
		cells = append(cells, trace.Cell{Role: trace.Result, Place: m.Place, Digit: m.Digit})
	}
	return cells
}

func (s Sheet) roleOf(row int) trace.Role {
	switch {
	case s.Kind == problem.Sum || s.Kind == problem.Trays:
		return trace.Addend
	case row == 1:
		return trace.Larger
	}
	return trace.Smaller
}

// digits returns the whole digits of a row, the highest place first.
func (s Sheet) digits(row int) []Mark {
	var marks []Mark
	for _, m := range s.Marks {
		if m.Row == row && m.Side == Whole {
			marks = append(marks, m)
		}
	}
	slices.SortStableFunc(marks, func(a, b Mark) int { return int(b.Place - a.Place) })
	return marks
}

// smallAt reads what was written beside, over and under the digits of a place.
func (s Sheet) smallAt(p place.Place) []trace.Cell {
	var cells []trace.Cell
	for row := 1; row >= 1-s.Over; row-- {
		digit := 0
		for _, m := range s.Marks {
			if m.Row == row && m.Place == p && m.Side == Whole {
				digit = m.Digit
				if row < 1 {
					cells = append(cells, trace.Cell{Role: trace.Changed, Place: p, Digit: m.Digit})
				}
			}
		}
		for _, m := range s.Marks {
			if m.Row == row && m.Place == p && m.Side != Whole {
				cells = append(cells, s.read(m, digit)...)
			}
		}
	}
	for _, m := range s.Marks {
		if m.Row == s.UnderRow() && m.Place == p {
			cells = append(cells, s.read(m, 0)...)
		}
	}
	return cells
}

// read reads a small digit: what came up, ten more of a digit, or what came down.
func (s Sheet) read(m Mark, digit int) []trace.Cell {
	switch {
	case m.Side != SmallFront:
		return []trace.Cell{{Role: trace.Carried, Place: m.Place, Digit: m.Digit}}
	case s.Kind == problem.Difference:
		return []trace.Cell{{Role: trace.Changed, Place: m.Place, Digit: 10*m.Digit + digit}}
	}
	cells := make([]trace.Cell, m.Digit)
	for i := range cells {
		cells[i] = trace.Cell{Role: trace.Brought, Place: m.Place, Digit: i + 1}
	}
	return cells
}
