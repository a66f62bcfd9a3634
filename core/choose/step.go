package choose

import (
	"cmp"

	"vineswap/core/place"
	"vineswap/core/problem"
)

// state is what the programme remembers between two columns. What no wish asks
// for stays at its zero value.
type state struct {
	carry  uint8 // what comes up; in taking whether one was given; in sharing what was left
	by     uint8 // sharers or trays
	swaps  uint8 // places that swapped so far, manySwaps and more being one
	run    uint8 // zeros that the swap goes through just now, manyZeros and more being one
	row    uint8 // the most of them in a row so far
	above  int8  // how the digits so far compare with those of the rule's upper end: −1, 0 or 1
	below  int8  // and with those of its lower end
	zero   bool  // a digit 0 has been seen
	made   bool  // a place has swapped only because of the swap below it
	differ bool  // the two numbers of taking are not equal
}

// manyZeros is where the programme stops counting zeros in a row.
const manyZeros = 2

// column's outcome, in the words that all operations share.
type outcome struct {
	carry   int
	swaps   bool // the place swaps
	made    bool // only because of the swap below it
	several bool // two or more at once
	exact   bool // and nothing stays
	zero    bool // a 0 stands here
	count   int  // the most pieces that lie here
	stays   int  // the digit that is written of the result
}

// step returns the state that a filled column leads to; ok is false where the
// choice forbids it.
func (s *Space) step(col *column, from state, filled profile) (to state, ok bool) {
	c := &s.choice
	if col.by {
		return state{by: uint8(filled.single)}, true
	}
	var out outcome
	to = from
	switch c.kind() {
	case problem.Difference:
		out, ok = s.take(col, &to, filled)
	case problem.Sharing:
		out, ok = s.share(col, from, filled)
	case problem.Trays:
		out, ok = s.fillTrays(from, filled)
	default:
		out, ok = s.join(col, from, filled)
	}
	if !ok || !s.allowed(col.place, out) {
		return to, false
	}
	to.carry = uint8(out.carry)
	s.remember(&to, col.place, out)
	s.compare(&to, col.place, s.reaches(out, filled))
	return to, true
}

// reaches is the digit of the number that the ends of a rule are about.
func (s *Space) reaches(out outcome, filled profile) int {
	switch s.choice.kind() {
	case problem.Difference:
		return filled.top
	case problem.Sharing:
		return filled.single
	}
	return out.stays
}

// compare remembers how the digits so far compare with the ends of the rule. Of
// two digits that differ the one in the higher place decides: the last one or,
// where the work begins at the top, the first.
func (s *Space) compare(to *state, p place.Place, digit int) {
	for _, end := range []struct {
		at   place.Number
		side *int8
	}{{s.rule.high, &to.above}, {s.rule.low, &to.below}} {
		if end.at == 0 || s.choice.kind() == problem.Sharing && *end.side != 0 {
			continue
		}
		if by := cmp.Compare(digit, end.at.Digit(p)); by != 0 {
			*end.side = int8(by)
		}
	}
}

// between tells whether what was reached lies between the ends of the rule.
func (s *Space) between(end state) bool {
	over := place.Number(0) // what lies above the highest place of the numbers
	if kind := s.choice.kind(); kind == problem.Sum || kind == problem.Trays {
		over = place.Number(end.carry)
	}
	against := func(at place.Number, side int8) int {
		return cmp.Or(cmp.Compare(over, at/place.Number(10*s.choice.Top().Unit())), int(side))
	}
	return (s.rule.high == 0 || against(s.rule.high, end.above) <= 0) && (s.rule.low == 0 || against(s.rule.low, end.below) >= 0)
}

// allowed holds an outcome against the wishes for its place.
func (s *Space) allowed(p place.Place, out outcome) bool {
	c := &s.choice
	if c.lacks(p, out.count) {
		return false
	}
	adds := c.kind() == problem.Sum || c.kind() == problem.Trays
	if adds && p == c.Top() && c.lacks(p+1, out.carry) {
		return false
	}
	if c.Laid && p == place.TopPiece && out.swaps && adds {
		return false // what would come up has no piece
	}
	if c.Gives[p] > 0 && c.Gives[p] != out.carry {
		return false
	}
	return c.Swap[p].allows(out.swaps) && s.rule.swap[p].allows(out.swaps) && (s.rule.made != No || !out.made) &&
		c.Made[p].allows(out.made) && c.Several[p].allows(out.several) && c.Exact[p].allows(out.exact) && c.ZeroAt[p].allows(out.zero)
}

// remember notes what the end is judged by.
func (s *Space) remember(to *state, p place.Place, out outcome) {
	if s.choice.Zeros == Yes {
		to.zero = to.zero || out.zero
	}
	if s.counts && out.swaps && (s.choice.kind() != problem.Sharing || p > place.Ones) {
		to.swaps = min(to.swaps+1, manySwaps)
	}
	if s.rule.made == Yes {
		to.made = to.made || out.made
	}
}

func (s *Space) join(col *column, from state, f profile) (outcome, bool) {
	out := joined(f.own, int(from.carry))
	out.zero = f.zero
	ones := col.place == place.Ones
	return out, !ones || s.choice.MakesTen.allows(f.ten) && s.choice.Doubles.allows(f.twin)
}

// joined is a column whose own digits have a sum, with what comes up.
func joined(own, carry int) outcome {
	sum := own + carry
	out := outcome{carry: sum / tenOver, count: sum, stays: sum % tenOver}
	out.swaps = out.carry > 0
	out.made = out.swaps && own < tenOver
	out.several = out.carry > 1
	out.exact = out.swaps && out.stays == 0
	return out
}

func (s *Space) fillTrays(from state, f profile) (outcome, bool) {
	out := joined(f.single*int(from.by), int(from.carry))
	out.zero = f.single == 0
	for k := 1; k < int(from.by); k++ {
		if !s.choice.Facts.allow(f.single*k%tenOver, f.single) {
			return out, false
		}
	}
	return out, true
}

func (s *Space) share(col *column, from state, f profile) (outcome, bool) {
	count := f.single + tenOver*int(from.carry)
	out := outcome{carry: count % int(from.by), count: count, zero: f.single == 0, stays: count / int(from.by)}
	out.swaps, out.several = out.carry > 0, out.carry > 1
	ones := col.place == place.Ones
	return out, !ones || s.choice.Rest.allows(out.swaps) && s.rule.rest.allows(out.swaps)
}

func (s *Space) take(col *column, to *state, f profile) (outcome, bool) {
	c := &s.choice
	given := to.carry > 0
	had := f.top - int(to.carry)
	came := had < f.lower
	out := outcome{carry: bit(came), swaps: came, made: came && given && f.top == f.lower, zero: f.top == 0, count: most(f.top, given, came)}
	if came {
		had += tenOver
	}
	out.stays = had - f.lower
	to.differ = to.differ || out.stays > 0
	if s.crosses {
		if to.run++; f.top > 0 || !given {
			to.run = 0
		}
		to.run = min(to.run, manyZeros)
		to.row = max(to.row, to.run)
	}
	if f.lower > 0 && !c.Facts.allow(had-f.lower, f.lower) {
		return out, false
	}
	ones := col.place == place.Ones
	return out, !ones || c.MakesTen.allows(f.lower > 0 && had == tenOver) && c.Doubles.allows(f.lower > 0 && out.stays == f.lower)
}

// most is how many pieces lie in a place of the larger number at the fullest
// moment: before it gives one, or when ten have come. A place that is crossed
// has ten for a moment, and gives one on at once.
func most(top int, given, came bool) int {
	switch {
	case came && given && top == 0:
		return tenOver
	case came && given:
		return top - 1 + tenOver
	case came:
		return top + tenOver
	}
	return top
}

func bit(b bool) int {
	if b {
		return 1
	}
	return 0
}

// accepts tells whether the problem may end in this state.
func (s *Space) accepts(end state) bool {
	c := &s.choice
	if !s.keeps(end) || c.Zeros == Yes && !end.zero {
		return false
	}
	if c.kind() == problem.Difference {
		return end.differ && c.Cross.allows(end.row > 0) && c.Row.allows(end.row >= manyZeros)
	}
	return true
}

// keeps tells whether what ends in this state keeps the rule of the stage.
func (s *Space) keeps(end state) bool {
	r := &s.rule
	if r.none || r.made == Yes && !end.made || !s.between(end) {
		return false
	}
	if s.counts && (end.swaps < r.fewest || r.most < manySwaps && end.swaps > r.most) {
		return false
	}
	if s.choice.kind() == problem.Difference {
		return end.carry == 0 && r.cross.allows(end.row > 0) && r.row.allows(end.row >= manyZeros)
	}
	return true
}
