package slip

// slips are the slips of written adding, then those that show in taking alone; common
// ones first.
var slips = []Slip{
	{"drops-new-ten", replaces{Add: {Carry}}, func(p *Procedure) { p.carry = func(s int) (int, int) { return s % 10, 0 } }},
	{"writes-both-digits", replaces{Add: {Carry}}, func(p *Procedure) { p.carry = func(s int) (int, int) { return s, 0 } }},
	{"brings-down-without-carry", replaces{Add: {ColumnSum}}, func(p *Procedure) { p.column = withoutCarryWhenAlone }},
	{"carries-wrong-digit", replaces{Add: {Carry}}, func(p *Procedure) { p.carry = carryWrongDigit }},
	{"always-carries", replaces{Add: {Carry}}, func(p *Procedure) { p.carry = func(s int) (int, int) { return s % 10, max(1, s/10) } }},
	{"carries-one-only", replaces{Add: {Carry}}, func(p *Procedure) { p.carry = func(s int) (int, int) { return s % 10, min(1, s/10) } }},
	{"last-ten-lost", replaces{Add: {Last}}, func(p *Procedure) { p.lastOnes = true }},
	{"zero-makes-zero", replaces{Add: {ColumnSum}}, func(p *Procedure) { p.column = zeroMakesZero }},
	{"carries-rightward", replaces{Add: {Direction}}, func(p *Procedure) { p.rightward = true }},
	{"lines-up-left", replaces{Add: {Alignment}, Take: {Alignment}}, func(p *Procedure) { p.left = true }},
	{"stops-at-shorter", replaces{Add: {Extent}, Take: {Extent}}, func(p *Procedure) { p.shorter = true }},
	{"adds-all-digits", replaces{Add: {Which}}, func(p *Procedure) { p.allDigits = true }},
	{"takes-away-instead", replaces{Add: {Which}}, func(p *Procedure) { p.takesInstead = true }},
	{"last-addend-left-out", replaces{Add: {Extent}}, func(p *Procedure) { p.lastOut = true }},
	{"counts-the-start", replaces{Add: {ColumnSum}, Take: {Corrected}}, func(p *Procedure) {
		p.column, p.counts = countsTheStart, true
	}},

	{"smaller-from-larger", replaces{Take: {When, Result}}, func(p *Procedure) {
		p.when, p.result = never, func(top, lower int, _ bool) int { return max(top, lower) - min(top, lower) }
	}},
	{"ten-for-nothing", replaces{Take: {Paid}}, func(p *Procedure) { p.paid = (*paper).getsForNothing }},
	{"stops-at-zero", replaces{Take: {Paid}}, func(p *Procedure) { p.paid = (*paper).stopsAtZero }},
	{"jumps-over-zero", replaces{Take: {Paid}}, func(p *Procedure) { p.paid = (*paper).jumpsOverZero }},
	{"nine-from-nowhere", replaces{Take: {Paid}}, func(p *Procedure) { p.paid = (*paper).nineFromNowhere }},
	{"zero-take-n-is-n", replaces{Take: {Result}}, func(p *Procedure) {
		p.atOnce = func(top, lower int, _ bool) (int, bool) { return lower, top == 0 && lower > 0 }
	}},
	{"zero-take-n-is-zero", replaces{Take: {Result}}, func(p *Procedure) {
		p.atOnce = func(top, lower int, _ bool) (int, bool) { return 0, top == 0 && lower > 0 }
	}},
	{"take-zero-is-zero", replaces{Take: {Result}}, func(p *Procedure) {
		p.atOnce = func(_, lower int, written bool) (int, bool) { return 0, written && lower == 0 }
	}},
	{"zero-when-short", replaces{Take: {When, Result}}, func(p *Procedure) {
		p.when, p.result = never, func(top, lower int, _ bool) int { return max(0, top-lower) }
	}},
	{"adds-instead", replaces{Take: {Which}}, func(p *Procedure) { p.addsInstead = true }},
	{"swaps-without-need", replaces{Take: {When}}, func(p *Procedure) { p.when = always }},
	{"ten-without-own", replaces{Take: {Result}}, func(p *Procedure) {
		p.result = func(top, lower int, swapped bool) int {
			if swapped {
				return 10 - lower
			}
			return top - lower
		}
	}},
	{"swaps-from-far-left", replaces{Take: {Paid}}, func(p *Procedure) { p.paid = (*paper).swapsFromFarLeft }},
}

func plainSum(c *column, in int) int { return c.sum() + in }

func withoutCarryWhenAlone(c *column, in int) int {
	if c.count == 1 {
		return c.sum()
	}
	return c.sum() + in
}

func zeroMakesZero(c *column, in int) int {
	for _, d := range c.digits[:c.count] {
		if d == 0 && c.count > 1 {
			return in
		}
	}
	return c.sum() + in
}

func countsTheStart(c *column, in int) int {
	if c.count == 2 && c.digits[0] > 0 && c.digits[1] > 0 {
		return c.sum() - 1 + in
	}
	return c.sum() + in
}

func plainCarry(sum int) (written, carried int) { return sum % 10, sum / 10 }

func carryWrongDigit(sum int) (written, carried int) {
	if sum < 10 {
		return sum, 0
	}
	return sum / 10, sum % 10
}

// When ten is swapped down in taking.
func whenShort(top, lower int, _ bool) bool { return top < lower }
func never(_, _ int, _ bool) bool           { return false }
func always(_, _ int, last bool) bool       { return !last }

func plainResult(top, lower int, _ bool) int { return top - lower }

// swapsDown fetches ten for a place, over zeros place by place; false where nothing is
// left to the left.
func (p *paper) swapsDown(i int) bool {
	from := i + 1
	for from < p.n && p.top[from] == 0 {
		from++
	}
	if from == p.n {
		return false
	}
	p.top[from]--
	for j := from - 1; j > i; j-- {
		p.top[j] = 9
	}
	p.top[i] += 10
	return true
}

// getsForNothing adds ten and takes nothing from the next place.
func (p *paper) getsForNothing(i int) bool {
	p.top[i] += 10
	return true
}

// stopsAtZero takes one from the next place only if it is not 0.
func (p *paper) stopsAtZero(i int) bool {
	if i == p.n-1 {
		return false
	}
	if p.top[i+1] > 0 {
		p.top[i+1]--
	}
	return p.getsForNothing(i)
}

// jumpsOverZero takes one from the first place that has some and leaves the zeros between
// as they are.
func (p *paper) jumpsOverZero(i int) bool {
	for from := i + 1; from < p.n; from++ {
		if p.top[from] > 0 {
			p.top[from]--
			return p.getsForNothing(i)
		}
	}
	return false
}

// nineFromNowhere turns a zero in the way, and zeros next to it, into 9 and takes nothing
// from beyond.
func (p *paper) nineFromNowhere(i int) bool {
	if i == p.n-1 || p.top[i+1] > 0 {
		return p.swapsDown(i)
	}
	for j := i + 1; j < p.n && p.top[j] == 0; j++ {
		p.top[j] = 9
	}
	return p.getsForNothing(i)
}

// swapsFromFarLeft takes the one from the highest place each time.
func (p *paper) swapsFromFarLeft(i int) bool {
	last := p.n - 1
	if i == last || p.top[last] == 0 {
		return false
	}
	p.top[last]--
	return p.getsForNothing(i)
}
