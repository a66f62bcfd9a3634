package slip

import "vineswap/core/place"

// paper is a difference as it stands on paper while it is worked: what each
// place of the larger number has at that moment, ones first, and the smaller
// number under it.
type paper struct {
	top     []int
	smaller place.Number
}

func (p *paper) lower(i int) int { return p.smaller.Digit(place.Place(i)) }

// written tells whether the smaller number has a digit in a place.
func (p *paper) written(i int) bool { return p.smaller.Has(place.Place(i)) }

// swapDown fetches ten for a place, over zeros place by place; false where
// nothing is left to the left.
func (p *paper) swapDown(i int) bool {
	from := i + 1
	for from < len(p.top) && p.top[from] == 0 {
		from++
	}
	if from == len(p.top) {
		return false
	}
	p.top[from]--
	for j := from - 1; j > i; j-- {
		p.top[j] = 9
	}
	p.top[i] += 10
	return true
}

// rule works one place and says what is written there; not ok where it cannot be
// carried out.
type rule func(p *paper, i int) (written int, ok bool)

// rightly takes from a place as it should be done.
func rightly(p *paper, i int) (int, bool) {
	if p.top[i] < p.lower(i) && !p.swapDown(i) {
		return 0, false
	}
	return p.top[i] - p.lower(i), true
}

// each works every place by a rule, from the ones.
func each(r rule) func([]place.Number) (int, bool) {
	return func(numbers []place.Number) (int, bool) { return overPlaces(numbers[0], numbers[1], r) }
}

func overPlaces(larger, smaller place.Number, r rule) (int, bool) {
	p := paper{smaller: smaller}
	for at := place.Ones; at <= larger.Top(); at++ {
		p.top = append(p.top, larger.Digit(at))
	}
	written := make([]int, len(p.top))
	for i := range p.top {
		var ok bool
		if written[i], ok = r(&p, i); !ok || written[i] < 0 || written[i] > 9 {
			return 0, false
		}
	}
	return number(written), true
}

var taking = []Slip{
	{"smaller-from-larger", difference, each(func(p *paper, i int) (int, bool) {
		return max(p.top[i], p.lower(i)) - min(p.top[i], p.lower(i)), true
	})},
	{"ten-for-nothing", difference, each(func(p *paper, i int) (int, bool) {
		if p.top[i] < p.lower(i) {
			return p.top[i] + 10 - p.lower(i), true
		}
		return p.top[i] - p.lower(i), true
	})},
	{"stops-at-zero", difference, each(stopsAtZero)},
	{"jumps-over-zero", difference, each(jumpsOverZero)},
	{"nine-from-nowhere", difference, each(nineFromNowhere)},
	{"zero-take-n-is-n", difference, each(func(p *paper, i int) (int, bool) {
		if p.top[i] == 0 && p.lower(i) > 0 {
			return p.lower(i), true
		}
		return rightly(p, i)
	})},
	{"zero-take-n-is-zero", difference, each(func(p *paper, i int) (int, bool) {
		if p.top[i] == 0 && p.lower(i) > 0 {
			return 0, true
		}
		return rightly(p, i)
	})},
	{"take-zero-is-zero", difference, each(func(p *paper, i int) (int, bool) {
		if p.written(i) && p.lower(i) == 0 {
			return 0, true
		}
		return rightly(p, i)
	})},
	{"zero-when-short", difference, each(func(p *paper, i int) (int, bool) { return max(0, p.top[i]-p.lower(i)), true })},
	{"adds-instead", difference, func(numbers []place.Number) (int, bool) { return sum(numbers), true }},
	{"swaps-without-need", difference, each(func(p *paper, i int) (int, bool) {
		if i < len(p.top)-1 && !p.swapDown(i) {
			return 0, false
		}
		return (p.top[i] - p.lower(i)) % 10, true
	})},
	{"ten-without-own", difference, each(func(p *paper, i int) (int, bool) {
		if p.top[i] >= p.lower(i) {
			return p.top[i] - p.lower(i), true
		}
		return 10 - p.lower(i), p.swapDown(i)
	})},
	{"lines-up-left", difference, func(numbers []place.Number) (int, bool) {
		moved := flushLeft(numbers)
		return difference(moved), moved[1] <= moved[0]
	}},
	{"stops-at-shorter", difference, takesToShorter},
	{"swaps-from-far-left", difference, each(func(p *paper, i int) (int, bool) {
		if last := len(p.top) - 1; p.top[i] < p.lower(i) {
			if i == last || p.top[last] == 0 {
				return 0, false
			}
			p.top[last]--
			p.top[i] += 10
		}
		return p.top[i] - p.lower(i), true
	})},
	{"counts-the-start", difference, each(func(p *paper, i int) (int, bool) {
		left, ok := rightly(p, i)
		if p.lower(i) > 0 {
			left = min(9, left+1)
		}
		return left, ok
	})},
}

// stopsAtZero adds the ten here and takes one from the next place only if it is
// not 0.
func stopsAtZero(p *paper, i int) (int, bool) {
	if p.top[i] >= p.lower(i) {
		return p.top[i] - p.lower(i), true
	}
	if i == len(p.top)-1 {
		return 0, false
	}
	if p.top[i+1] > 0 {
		p.top[i+1]--
	}
	return p.top[i] + 10 - p.lower(i), true
}

// jumpsOverZero takes one from the first place that has some and leaves the
// zeros between as they are.
func jumpsOverZero(p *paper, i int) (int, bool) {
	if p.top[i] >= p.lower(i) {
		return p.top[i] - p.lower(i), true
	}
	for from := i + 1; from < len(p.top); from++ {
		if p.top[from] > 0 {
			p.top[from]--
			return p.top[i] + 10 - p.lower(i), true
		}
	}
	return 0, false
}

// nineFromNowhere turns a zero in the way, and zeros next to it, into 9 and takes
// nothing from beyond.
func nineFromNowhere(p *paper, i int) (int, bool) {
	if p.top[i] >= p.lower(i) || i == len(p.top)-1 || p.top[i+1] > 0 {
		return rightly(p, i)
	}
	for j := i + 1; j < len(p.top) && p.top[j] == 0; j++ {
		p.top[j] = 9
	}
	return p.top[i] + 10 - p.lower(i), true
}

// takesToShorter works only the places that the smaller number has; a swap down
// still comes from beyond them.
func takesToShorter(numbers []place.Number) (int, bool) {
	return overPlaces(numbers[0], numbers[1], func(p *paper, i int) (int, bool) {
		if !p.written(i) {
			return 0, true
		}
		return rightly(p, i)
	})
}
