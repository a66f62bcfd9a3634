package slip

import "vineswap/core/place"

// column is one column of a written sum: its digits, blanks left out.
type column []int

func (c column) sum() int {
	sum := 0
	for _, d := range c {
		sum += d
	}
	return sum
}

// columnsOf stands the numbers under one another, ones first.
func columnsOf(numbers []place.Number) []column {
	columns := make([]column, place.HighestOf(numbers)+1)
	for p := range columns {
		for _, n := range numbers {
			if n.Has(place.Place(p)) {
				columns[p] = append(columns[p], n.Digit(place.Place(p)))
			}
		}
	}
	return columns
}

// procedure is written adding from the ones up, with its parts to be replaced.
// The last column is written in full.
type procedure struct {
	own  func(c column, in int) int           // what a column comes to, with what comes up
	out  func(sum int) (written, carried int) // of every column but the last
	last func(sum int) int                    // what is written in the last column; nil: in full
}

func plainSum(c column, in int) int             { return c.sum() + in }
func plainCarry(sum int) (written, carried int) { return sum % 10, sum / 10 }

func (p procedure) over(columns []column) int {
	written := make([]int, len(columns))
	in := 0
	for i, c := range columns {
		sum := p.own(c, in)
		if i < len(columns)-1 {
			written[i], in = p.out(sum)
			continue
		}
		if written[i] = sum; p.last != nil {
			written[i] = p.last(sum)
		}
	}
	return number(written)
}

// always makes a slip of a procedure that can be carried out on every sum.
func (p procedure) always(numbers []place.Number) (int, bool) {
	return p.over(columnsOf(numbers)), true
}

var adding = []Slip{
	{"drops-new-ten", sum, procedure{plainSum, func(s int) (int, int) { return s % 10, 0 }, nil}.always},
	{"writes-both-digits", sum, procedure{plainSum, func(s int) (int, int) { return s, 0 }, nil}.always},
	{"brings-down-without-carry", sum, procedure{withoutCarryWhenAlone, plainCarry, nil}.always},
	{"carries-wrong-digit", sum, procedure{plainSum, carryWrongDigit, nil}.always},
	{"always-carries", sum, procedure{plainSum, func(s int) (int, int) { return s % 10, max(1, s/10) }, nil}.always},
	{"carries-one-only", sum, procedure{plainSum, func(s int) (int, int) { return s % 10, min(1, s/10) }, nil}.always},
	{"last-ten-lost", sum, procedure{plainSum, plainCarry, func(s int) int { return s % 10 }}.always},
	{"zero-makes-zero", sum, procedure{zeroMakesZero, plainCarry, nil}.always},
	{"carries-rightward", sum, carriesRightward},
	{"lines-up-left", sum, addsLinedUpLeft},
	{"stops-at-shorter", sum, addsToShorter},
	{"adds-all-digits", sum, addsAllDigits},
	{"takes-away-instead", sum, takesAwayInstead},
	{"last-addend-left-out", sum, lastLeftOut},
	{"counts-the-start", sum, addsCountingTheStart},
}

func withoutCarryWhenAlone(c column, in int) int {
	if len(c) == 1 {
		return c[0]
	}
	return c.sum() + in
}

func carryWrongDigit(sum int) (written, carried int) {
	if sum < 10 {
		return sum, 0
	}
	return sum / 10, sum % 10
}

func zeroMakesZero(c column, in int) int {
	for _, d := range c {
		if d == 0 && len(c) > 1 {
			return in
		}
	}
	return c.sum() + in
}

func carriesRightward(numbers []place.Number) (int, bool) {
	columns := columnsOf(numbers)
	written := make([]int, len(columns))
	in := 0
	for i := len(columns) - 1; i > 0; i-- {
		written[i], in = plainCarry(columns[i].sum() + in)
	}
	written[0] = columns[0].sum() + in
	return number(written), true
}

// flushLeft sets the shorter numbers flush left under the longest.
func flushLeft(numbers []place.Number) []place.Number {
	top := place.HighestOf(numbers)
	out := make([]place.Number, len(numbers))
	for i, n := range numbers {
		out[i] = n * place.Number((top - n.Top()).Unit())
	}
	return out
}

func addsLinedUpLeft(numbers []place.Number) (int, bool) {
	return sum(flushLeft(numbers)), true
}

func addsToShorter(numbers []place.Number) (int, bool) {
	columns := columnsOf(numbers)
	shared := 0
	for _, c := range columns {
		if len(c) == len(numbers) {
			shared++
		}
	}
	return procedure{plainSum, plainCarry, nil}.over(columns[:shared]), true
}

func addsAllDigits(numbers []place.Number) (int, bool) {
	sum := 0
	for _, n := range numbers {
		sum += n.DigitSum()
	}
	return sum, true
}

func takesAwayInstead(numbers []place.Number) (int, bool) {
	if len(numbers) != 2 {
		return 0, false
	}
	return int(max(numbers[0], numbers[1]) - min(numbers[0], numbers[1])), true
}

func lastLeftOut(numbers []place.Number) (int, bool) {
	return sum(numbers[:len(numbers)-1]), len(numbers) > 2
}

func addsCountingTheStart(numbers []place.Number) (int, bool) {
	oneLess := func(c column, in int) int {
		if len(c) == 2 && c[0] > 0 && c[1] > 0 {
			return c.sum() - 1 + in
		}
		return c.sum() + in
	}
	return procedure{oneLess, plainCarry, nil}.over(columnsOf(numbers)), len(numbers) == 2
}
