package place

// TakingColumn is one column of a written difference: what stands in a place
// and what becomes of it. Lower stands for nothing where HasLower is false: the
// smaller number has no digit there.
type TakingColumn struct {
	Place    Place
	Top      int  // the larger number's digit
	Lower    int  // the smaller number's digit
	HasLower bool // whether the smaller number is written here
	Given    bool // one is swapped down from here
	Came     bool // ten come here by a swap down, also when only on the way to a lower place
	Stays    int  // what is left here
}

// Had returns how many stand here when they are taken from.
func (c TakingColumn) Had() int {
	had := c.Top
	if c.Given {
		had--
	}
	if c.Came {
		had += 10
	}
	return had
}

// Crossed tells whether a swap goes through a zero of the larger number here.
func (c TakingColumn) Crossed() bool { return c.Top == 0 && c.Given }

// TakingColumns takes smaller from larger column by column, from the ones to
// the larger number's highest place. The smaller number may not be the larger.
func TakingColumns(larger, smaller Number) []TakingColumn {
	columns := make([]TakingColumn, 0, Count)
	given := false
	for p := Ones; p <= larger.Top(); p++ {
		c := TakingColumn{Place: p, Top: larger.Digit(p), Lower: smaller.Digit(p), HasLower: smaller.Has(p), Given: given}
		c.Came = c.Had() < c.Lower
		c.Stays = c.Had() - c.Lower
		given = c.Came
		columns = append(columns, c)
	}
	return columns
}
