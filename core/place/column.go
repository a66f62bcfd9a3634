package place

// Column is one column of written work: the digits that stand in a place, and
// what becomes of them. Joining, taking away and sharing each make their own
// columns, and all who read them read the same type.
type Column struct {
	Place  Place
	Digits []int // the digits written here, in the order of the numbers; blanks are left out
	Own    int   // the sum of Digits
	In     int   // pieces that come here from the neighbouring place: what came up, or ten for each one swapped down
	Out    int   // how often it gives: tens to the next place in joining; ones to the place below in taking away and sharing
	Count  int   // the pieces that lie here when the place is worked
	Stays  int   // the digit that is written of the result; in sharing what one sharer gets
	Swaps  bool  // the place swaps: joining gives a ten up, taking gets ten, sharing has some left over
	Made   bool  // and it does so only because of the swap in the place below
	// Crossed tells whether a swap of taking away goes through a zero of the larger
	// number here.
	Crossed bool
}

// Top returns the larger number's digit in a column of taking away.
func (c Column) Top() int { return c.Digits[0] }

// Lower returns the digit that is taken; 0 where the smaller number has none here.
func (c Column) Lower() int {
	if len(c.Digits) > 1 {
		return c.Digits[1]
	}
	return 0
}

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
		c.Count = c.Own + c.In
		c.Out, c.Stays = c.Count/10, c.Count%10
		c.Swaps = c.Out > 0
		c.Made = c.Swaps && c.Own < 10
		in = c.Out
		columns = append(columns, c)
	}
	return columns
}

// TakingColumns takes smaller from larger column by column, from the ones to
// the larger number's highest place. The smaller number may not be the larger.
func TakingColumns(larger, smaller Number) []Column {
	columns := make([]Column, 0, Count)
	out := 0
	for p := Ones; p <= larger.Top(); p++ {
		c := Column{Place: p, Out: out, Digits: digitsAt([]Number{larger, smaller}, p)}
		c.Own = c.Top() + c.Lower()
		c.Count = c.Top() - c.Out
		if c.Count < c.Lower() {
			c.Swaps, c.In, c.Count = true, 10, c.Count+10
			c.Made = c.Out > 0 && c.Top() == c.Lower()
		}
		c.Stays = c.Count - c.Lower()
		c.Crossed = c.Top() == 0 && c.Out > 0
		out = c.In / 10
		columns = append(columns, c)
	}
	return columns
}

// SharingColumns shares a number among 2 to 9, the highest place first: what
// lies in a place is dealt round, and what cannot be dealt goes down as tens.
// What is left of the ones is the remainder.
func SharingColumns(n Number, sharers int) []Column {
	columns := make([]Column, 0, Count)
	left := 0
	for p := n.Top(); p >= Ones; p-- {
		c := Column{Place: p, Digits: []int{n.Digit(p)}, Own: n.Digit(p), In: 10 * left}
		c.Count = c.Own + c.In
		c.Stays, c.Out = c.Count/sharers, c.Count%sharers
		c.Swaps = c.Out > 0
		left = c.Out
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
