package slip_test

import (
	"fmt"
	"strconv"
	"strings"
	"testing"

	"vineswap/core/place"
	"vineswap/core/slip"
)

// sides are the two digits of two numbers: tens and ones of the upper and the lower one.
// A number below ten has no tens.
type sides struct {
	A, B         int // tens, ones of the upper number
	C, D         int // of the lower one
	upper, lower bool
}

func sidesOf(n, m int) sides {
	return sides{n / 10, n % 10, m / 10, m % 10, n > 9, m > 9}
}

// said reads numbers that are written side by side.
func said(parts ...int) int {
	text := ""
	for _, p := range parts {
		text += strconv.Itoa(p)
	}
	n, _ := strconv.Atoi(text)
	return n
}

func one(b bool) int {
	if b {
		return 1
	}
	return 0
}

const never = -1 // cannot be carried out

// second has every slip of adding told in closed form for two numbers below 100, without
// going from column to column.
var secondAdd = map[slip.ID]func(s sides, n, m int) int{
	"drops-new-ten": func(s sides, n, m int) int {
		if n < 10 && m < 10 {
			return n + m
		}
		return n + m - 10*one(s.B+s.D > 9)
	},
	"writes-both-digits": func(s sides, n, m int) int {
		if n < 10 && m < 10 {
			return n + m
		}
		return said(s.A+s.C, s.B+s.D)
	},
	"brings-down-without-carry": func(s sides, n, m int) int {
		return n + m - 10*one(s.B+s.D > 9 && s.upper != s.lower)
	},
	"carries-wrong-digit": func(s sides, n, m int) int {
		if n < 10 && m < 10 || s.B+s.D < 10 {
			return n + m
		}
		return said(s.A+s.C+s.B+s.D-10, 1)
	},
	"always-carries": func(s sides, n, m int) int {
		return n + m + 10*one(s.B+s.D < 10 && (s.upper || s.lower))
	},
	"carries-one-only": func(_ sides, n, m int) int { return n + m },
	"last-ten-lost": func(s sides, n, m int) int {
		if n < 10 && m < 10 {
			return (n + m) % 10
		}
		return (n + m) % 100
	},
	"zero-makes-zero": func(s sides, n, m int) int {
		ones := s.B + s.D
		if s.B*s.D == 0 {
			ones = 0
		}
		return 10*(s.A+s.C) + ones
	},
	"carries-rightward": func(s sides, n, m int) int {
		if !s.upper && !s.lower {
			return n + m
		}
		tens := s.A + s.C
		return said(tens%10, tens/10+s.B+s.D)
	},
	"lines-up-left": func(s sides, n, m int) int {
		switch {
		case s.upper && !s.lower:
			return n + 10*m
		case s.lower && !s.upper:
			return 10*n + m
		}
		return n + m
	},
	"stops-at-shorter": func(s sides, n, m int) int {
		if s.upper && s.lower {
			return n + m
		}
		return s.B + s.D
	},
	"adds-all-digits":      func(s sides, _, _ int) int { return s.A + s.B + s.C + s.D },
	"takes-away-instead":   func(_ sides, n, m int) int { return max(n-m, m-n) },
	"last-addend-left-out": func(sides, int, int) int { return never },
	"counts-the-start": func(s sides, n, m int) int {
		return n + m - one(s.B*s.D > 0) - 10*one(s.A*s.C > 0)
	},
}

// secondTake has those of taking, of an upper number that is not the smaller one.
var secondTake = map[slip.ID]func(s sides, n, m int) int{
	"smaller-from-larger": func(s sides, _, _ int) int { return 10*(s.A-s.C) + max(s.B-s.D, s.D-s.B) },
	"ten-for-nothing":     func(s sides, n, m int) int { return n - m + 10*one(s.B < s.D) },
	"stops-at-zero":       func(_ sides, n, m int) int { return n - m },
	"jumps-over-zero":     func(_ sides, n, m int) int { return n - m },
	"nine-from-nowhere":   func(_ sides, n, m int) int { return n - m },
	"zero-take-n-is-n": func(s sides, n, m int) int {
		if s.B == 0 && s.D > 0 {
			return 10*(s.A-s.C) + s.D
		}
		return n - m
	},
	"zero-take-n-is-zero": func(s sides, n, m int) int {
		if s.B == 0 && s.D > 0 {
			return 10 * (s.A - s.C)
		}
		return n - m
	},
	"take-zero-is-zero": func(s sides, n, m int) int {
		if s.D == 0 {
			return n - m - s.B
		}
		return n - m
	},
	"zero-when-short": func(s sides, _, _ int) int { return 10*(s.A-s.C) + max(0, s.B-s.D) },
	"adds-instead":    func(_ sides, n, m int) int { return n + m },
	"swaps-without-need": func(s sides, n, m int) int {
		switch {
		case !s.upper:
			return n - m
		case s.A-1 < s.C:
			return never
		}
		return 10*(s.A-1-s.C) + (10+s.B-s.D)%10
	},
	"ten-without-own": func(s sides, n, m int) int {
		if s.B >= s.D {
			return n - m
		}
		return n - m - s.B
	},
	"lines-up-left": func(s sides, n, m int) int {
		switch {
		case s.upper == s.lower:
			return n - m
		case 10*m > n:
			return never
		}
		return n - 10*m
	},
	"stops-at-shorter": func(s sides, n, m int) int {
		if s.lower {
			return n - m
		}
		return (n - m) % 10
	},
	"swaps-from-far-left": func(_ sides, n, m int) int { return n - m },
	"counts-the-start": func(s sides, n, m int) int {
		left := n - m
		ones, tens := left%10, left/10
		return 10*min(9, tens+one(s.C > 0)) + min(9, ones+one(s.D > 0))
	},
}

// Over all pairs of numbers below 100 the procedures give what the closed forms give.
func TestTheSecondFormulation(t *testing.T) {
	for _, c := range []struct {
		in   slip.Operation
		told map[slip.ID]func(s sides, n, m int) int
	}{{slip.Add, secondAdd}, {slip.Take, secondTake}} {
		if len(c.told) != len(slip.Of(c.in)) {
			t.Fatalf("%d slips are told a second time, of %d", len(c.told), len(slip.Of(c.in)))
		}
		for _, id := range slip.Of(c.in) {
			wrong := 0
			for n := range 100 {
				for m := range 100 {
					if c.in == slip.Take && m > n {
						continue
					}
					right := n + m
					if c.in == slip.Take {
						right = n - m
					}
					want := c.told[id](sidesOf(n, m), n, m)
					got, applies := slip.Answer(c.in, id, []place.Number{place.Number(n), place.Number(m)})
					if applies != (want != never && want != right) || applies && got != want {
						if wrong++; wrong < 4 {
							t.Errorf("%s of %d and %d: %d, %t; told a second time %d, right %d", id, n, m, got, applies, want, right)
						}
					}
				}
			}
		}
	}
}

// shown writes a column as it stands on paper: what was carried, the numbers with the upper
// digit crossed out, the result.
func shown(w slip.Written) string {
	var columns []string
	for i := len(w.Columns) - 1; i >= 0; i-- {
		c := w.Columns[i]
		text := ""
		if c.Carried > 0 {
			text = fmt.Sprintf("(%d)", c.Carried)
		}
		for row, d := range c.Digits {
			switch {
			case d == slip.Blank:
				text += "_"
			default:
				text += strconv.Itoa(d)
			}
			if row == w.Upper {
				for _, top := range c.Tops {
					text += fmt.Sprintf("→%d", top)
				}
			}
		}
		columns = append(columns, text+"="+c.Result)
	}
	return strings.Join(columns, " ")
}

// What stands on paper: carried digits, crossed digits, blanks and the result.
func TestWrittenColumns(t *testing.T) {
	for _, c := range []struct {
		in      slip.Operation
		numbers []place.Number
		ids     []slip.ID
		want    string
	}{
		{slip.Add, []place.Number{47, 25}, nil, "(1)42=7 75=2"},
		{slip.Add, []place.Number{47, 25}, []slip.ID{"drops-new-ten"}, "42=6 75=2"},
		{slip.Add, []place.Number{47, 25}, []slip.ID{"writes-both-digits"}, "42=6 75=12"},
		{slip.Add, []place.Number{47, 25}, []slip.ID{"carries-wrong-digit"}, "(2)42=8 75=1"},
		{slip.Add, []place.Number{368, 275}, []slip.ID{"carries-rightward"}, "32=5 67=3 (1)85=14"},
		{slip.Add, []place.Number{146, 38}, []slip.ID{"lines-up-left"}, "(1)13=5 48=2 6_=6"},
		{slip.Add, []place.Number{146, 38}, []slip.ID{"stops-at-shorter"}, "1_= (1)43=8 68=4"},
		{slip.Add, []place.Number{47, 25}, []slip.ID{"adds-all-digits"}, "42= 75=18"},
		{slip.Add, []place.Number{24, 35, 16}, []slip.ID{"last-addend-left-out"}, "231=5 456=9"},
		{slip.Add, []place.Number{62, 38}, []slip.ID{"takes-away-instead"}, "6→53=2 2→128=4"},
		{slip.Take, []place.Number{503, 128}, nil, "5→41=3 0→92=7 3→138=5"},
		{slip.Take, []place.Number{503, 128}, []slip.ID{"stops-at-zero"}, "5→41=3 0→102=8 3→138=5"},
		{slip.Take, []place.Number{503, 128}, []slip.ID{"nine-from-nowhere"}, "51=4 0→92=7 3→138=5"},
		{slip.Take, []place.Number{62, 38}, []slip.ID{"smaller-from-larger"}, "63=3 28=6"},
		{slip.Take, []place.Number{62, 38}, []slip.ID{"ten-for-nothing"}, "63=3 2→128=4"},
		{slip.Take, []place.Number{653, 48}, []slip.ID{"stops-at-shorter"}, "6_= 5→44= 3→138=5"},
		{slip.Take, []place.Number{732, 118}, []slip.ID{"swaps-from-far-left"}, "7→61=5 31=2 2→128=4"},
		{slip.Take, []place.Number{653, 48}, []slip.ID{"lines-up-left", "smaller-from-larger"}, "64=2 58=3 3_=3"},
	} {
		p := slip.New(c.ids...)
		w, ok := p.Write(c.in, c.numbers)
		if got := shown(w); !ok || got != c.want {
			t.Errorf("%v with %v: %s, wanted %s", c.numbers, c.ids, got, c.want)
		}
	}
}
