package paper

import (
	"fmt"
	"slices"
	"strings"

	"vineswap/core/piece"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/swap"
	"vineswap/core/trace"
)

// Text draws the sheet with letters, the lines from the top down. Small digits
// are raised, and what is crossed out has a stroke through it.
func (s Sheet) Text() string {
	top, width := place.Ones, 1
	squares := map[int]map[place.Place]string{}
	for _, m := range s.Marks {
		top = max(top, m.Place)
		if squares[m.Row] == nil {
			squares[m.Row] = map[place.Place]string{}
		}
		squares[m.Row][m.Place] = joined(m, squares[m.Row][m.Place])
		width = max(width, wide(squares[m.Row][m.Place]))
	}
	if width > 1 {
		width++ // so that squares with more in them stand apart
	}
	var lines []string
	for row := 1 - s.Over; row <= s.ResultRow(); row++ {
		switch before := "  "; {
		case row < 1 && len(squares[row]) == 0: // kept for the screen
		case row == s.UnderRow() && !s.Under:
		case row == s.ResultRow():
			lines = append(lines, strings.Repeat("-", 2+width*int(top+1)))
			lines = append(lines, before+lineOf(squares[row], top, width)+remainder(s.Left))
		default:
			if row == s.Numbers && row > 1 {
				before = s.Sign() + " "
			}
			line := strings.TrimRight(before+lineOf(squares[row], top, width), " ")
			if row == 1 && s.Divides() {
				line += " " + s.Behind()
			}
			lines = append(lines, line)
		}
	}
	return strings.Join(lines, "\n") + "\n"
}

// remainder is written behind a result: " r 1"; nothing for none.
func remainder(n int) string {
	if n == 0 {
		return ""
	}
	return fmt.Sprintf(" r %d", n)
}

var raised = []rune("⁰¹²³⁴⁵⁶⁷⁸⁹")

// joined puts a mark to what stands in its square already: the small digit is in
// front of, or beside, the whole one.
func joined(m Mark, there string) string {
	text := fmt.Sprint(m.Digit)
	if m.Side == SmallFront || m.Side == SmallAside {
		text = string(raised[m.Digit])
	}
	if m.Struck {
		text = strings.ReplaceAll(text, "", "\u0336")[len("\u0336"):]
	}
	if m.Side == Whole || m.Side == Small {
		return there + text
	}
	return text + there
}

// wide counts the columns that a square takes; a stroke takes none.
func wide(square string) int { return len([]rune(strings.ReplaceAll(square, "\u0336", ""))) }

func lineOf(squares map[place.Place]string, top place.Place, width int) string {
	var b strings.Builder
	for p := top; p >= place.Ones; p-- {
		b.WriteString(strings.Repeat(" ", width-wide(squares[p])) + squares[p])
	}
	return b.String()
}

// Expanded is a problem in expanded form: each number as the sum of its parts,
// what lies in each place before it is read, and the answer. What is not
// written yet is empty.
type Expanded struct {
	Problem problem.Problem
	Numbers [][]int // the parts of each number that is laid, highest first; 0 has the part 0
	Renamed []int   // the first number's parts after the swaps down; empty without one
	Parts   []int   // what lies in each place in the end, highest first, ten and more too
	Rest    int     // of sharing and grouping
	Answer  int     // -1 while it is not read
}

// ExpandedAt is the expanded form as far as a step of the trace has come.
func ExpandedAt(t swap.Trace, step int) Expanded {
	e := Expanded{Problem: t.Problem, Answer: -1}
	laid := t.Problem.Numbers
	if addends := t.Problem.Addends(); addends != nil {
		laid = addends
	}
	for _, s := range t.Steps[:step+1] {
		switch s.Kind {
		case swap.Label:
			e.Numbers = append(e.Numbers, partsOf(piece.Building(laid[s.Tray-1])))
		case swap.Join:
			e.Parts = partsOf(s.Zones.In(swap.Joined))
		case swap.SwapDown:
			e.rename(t, s)
		case swap.Slide:
			e.Rest = int(t.Remainder)
			if e.Parts == nil && t.Problem.Kind != problem.Grouping {
				e.Parts = partsOf(piece.Building(t.Answer))
			}
		case swap.ReadOut:
			e.Answer = int(t.Answer)
		}
	}
	if t.Problem.Kind == problem.Trays { // the number is written once, and how often beside it
		e.Numbers = e.Numbers[:min(1, len(e.Numbers))]
	}
	return e
}

// rename writes the number's parts as they lie after a swap down, with what was
// taken or dealt already: the number is the same, in other parts.
func (e *Expanded) rename(t swap.Trace, s trace.Step) {
	switch t.Problem.Kind {
	case problem.Difference, problem.Sharing:
		e.Renamed = partsOf(s.Zones.Together())
	}
}

// partsOf are what the piles of a holding are worth, highest first.
func partsOf(h piece.Holding) []int {
	parts := []int{}
	for p := place.Millions; p >= place.Ones; p-- {
		if h.At(p) > 0 {
			parts = append(parts, h.At(p)*p.Unit())
		}
	}
	if len(parts) == 0 {
		return []int{0}
	}
	return parts
}

// Lines are the forms one under another, those after the first without their
// equals sign: "(40 + 7) + (20 + 5)", "60 + 12", "72".
func (e Expanded) Lines() []string {
	if len(e.Numbers) == 0 {
		return []string{}
	}
	lines := []string{e.first(e.Numbers)}
	if e.Renamed != nil {
		lines = append(lines, e.first(append([][]int{e.Renamed}, e.Numbers[1:]...)))
	}
	if len(e.Parts) > 1 {
		lines = append(lines, bare(e.Parts)+e.besides())
	}
	if e.Answer >= 0 {
		lines = append(lines, fmt.Sprint(e.Answer)+e.rest())
	}
	return slices.Compact(lines)
}

// String is the whole of it: "(40 + 7) + (20 + 5) = 60 + 12 = 72".
func (e Expanded) String() string { return strings.Join(e.Lines(), " = ") }

func (e Expanded) rest() string { return remainder(e.Rest) }

// besides is the remainder behind a sum: ", r 1".
func (e Expanded) besides() string {
	if e.Rest == 0 {
		return ""
	}
	return "," + remainder(e.Rest)
}

// first is the line of the numbers; what divides stands behind them, and how many
// equal groups there are before them.
func (e Expanded) first(numbers [][]int) string {
	groups := make([]string, len(numbers))
	for i, parts := range numbers {
		groups[i] = bare(parts)
		if len(parts) > 1 {
			groups[i] = "(" + groups[i] + ")"
		}
	}
	line := strings.Join(groups, " "+problem.Sign(e.Problem.Kind)+" ")
	switch e.Problem.Kind {
	case problem.Trays:
		line = fmt.Sprintf("%d %s %s", e.Problem.Numbers[1], problem.Sign(e.Problem.Kind), line)
	case problem.Sharing, problem.Grouping:
		line += fmt.Sprintf(" %s %d", problem.Sign(e.Problem.Kind), e.Problem.Numbers[1])
	}
	return line
}

func bare(parts []int) string {
	texts := make([]string, len(parts))
	for i, n := range parts {
		texts[i] = fmt.Sprint(n)
	}
	return strings.Join(texts, " + ")
}
