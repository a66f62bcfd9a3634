package place

// Column is one column of a written sum: the digits that stand over one
// another in a place, and what becomes of them.
type Column struct {
	Place  Place
	Digits []int // the digits written here, in the order of the numbers; blanks are left out
	In     int   // how many come up from the place below
	Own    int   // the sum of Digits alone
	Out    int   // how many tens of this place are given up to the next
	Stays  int   // what is left here and written under the line
}

// Sum returns the column's digits with what comes up: the most pieces that
// ever lie in this place.
func (c Column) Sum() int { return c.Own + c.In }

// Swaps tells whether the column reaches ten.
func (c Column) Swaps() bool { return c.Out > 0 }

// MadeBySwap tells whether the column reaches ten only by what comes up from
// the place below.
func (c Column) MadeBySwap() bool { return c.Out > 0 && c.Own < 10 }

// Columns adds numbers column by column, from the ones to the highest place of
// the numbers and on to every place that what comes up opens. No numbers give
// no columns.
func Columns(numbers []Number) []Column {
	if len(numbers) == 0 {
		return nil
	}
	columns := make([]Column, 0, Count)
	top := HighestOf(numbers)
	for p, in := Ones, 0; p <= top || in > 0; p++ {
		c := Column{Place: p, In: in, Digits: digitsAt(numbers, p)}
		for _, d := range c.Digits {
			c.Own += d
		}
		c.Out, c.Stays = c.Sum()/10, c.Sum()%10
		in = c.Out
		columns = append(columns, c)
	}
	return columns
}

func digitsAt(numbers []Number, p Place) []int {
	digits := make([]int, 0, len(numbers))
	for _, n := range numbers {
		if n.Has(p) {
			digits = append(digits, n.Digit(p))
		}
	}
	return digits
}
