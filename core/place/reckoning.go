package place

import "slices"

// Why is the reason for the order in which the digits of a column are added.
type Why string

// The reasons, in the order in which they are looked for.
const (
	MakeTen      Why = "make-ten"      // the first digits make ten
	Doubles      Why = "doubles"       // the first two are alike
	LargestFirst Why = "largest-first" // the largest stands first, so that little is left to count on
	AsWritten    Why = "as-written"    // no other order is easier
)

// Reckoning is the order in which the digits of a column are added, and why.
type Reckoning struct {
	Digits []int // in order
	First  int   // how many of them, from the front, make the ten or the double; 0 for another reason
	Why    Why
}

// Reckoning chooses the order of the column's own digits. Two digits are added as
// they are written, and nothing is added last. With three or more it looks for
// digits that make ten, then for doubles, then begins with the largest.
func (c Column) Reckoning() Reckoning {
	some := slices.DeleteFunc(slices.Clone(c.Digits), func(d int) bool { return d == 0 })
	if len(some) < 3 {
		return Reckoning{Digits: c.Digits, Why: AsWritten}
	}
	down := slices.SortedFunc(slices.Values(c.Digits), func(a, b int) int { return b - a })
	if ten := makingTen(some); ten != nil {
		return begun(ten, down, MakeTen)
	}
	for i := range down[1:] {
		if down[i] == down[i+1] && down[i] > 0 {
			return begun(down[i:i+2], down, Doubles)
		}
	}
	if slices.Equal(down, c.Digits) {
		return Reckoning{Digits: c.Digits, Why: AsWritten}
	}
	return Reckoning{Digits: down, Why: LargestFirst}
}

// begun puts the first digits before the others.
func begun(first, all []int, why Why) Reckoning {
	digits := slices.Clone(first)
	rest := slices.Clone(all)
	for _, d := range first {
		i := slices.Index(rest, d)
		rest = slices.Delete(rest, i, i+1)
	}
	return Reckoning{Digits: append(digits, rest...), First: len(first), Why: why}
}

// makingTen returns the fewest digits that make ten, two or three of them in the
// order written; nil where none do.
func makingTen(digits []int) []int {
	for i, a := range digits {
		for _, b := range digits[i+1:] {
			if a+b == 10 {
				return []int{a, b}
			}
		}
	}
	for i, a := range digits {
		for j, b := range digits[i+1:] {
			for _, c := range digits[i+j+2:] {
				if a+b+c == 10 {
					return []int{a, b, c}
				}
			}
		}
	}
	return nil
}
