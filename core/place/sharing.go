package place

// SharingColumn is one column of a number that is shared out, worked from the
// highest place: what lies there is dealt round, and what cannot be dealt goes
// down as tens.
type SharingColumn struct {
	Place Place
	Digit int // of the number
	In    int // pieces that were swapped down to here
	Each  int // what one sharer gets here
	Left  int // what cannot be dealt here
}

// Count returns how many lie here when they are dealt.
func (c SharingColumn) Count() int { return c.Digit + c.In }

// SharingColumns shares a number among 2 to 9, the highest place first. What is
// left of the ones is the remainder.
func SharingColumns(n Number, sharers int) []SharingColumn {
	columns := make([]SharingColumn, 0, Count)
	left := 0
	for p := n.Top(); p >= Ones; p-- {
		c := SharingColumn{Place: p, Digit: n.Digit(p), In: 10 * left}
		c.Each, c.Left = c.Count()/sharers, c.Count()%sharers
		left = c.Left
		columns = append(columns, c)
	}
	return columns
}
