package number

import (
	"math/rand/v2"
	"slices"

	"vineswap/core/place"
)

// Zeros says whether a number has zeros among its digits.
type Zeros string

// No zero, at least one, or either.
const (
	NoZeros   Zeros = "no"
	WithZeros Zeros = "yes"
	AnyZeros  Zeros = "any"
)

// orAny is either where nothing is said.
func (z Zeros) orAny() Zeros {
	if z == "" {
		return AnyZeros
	}
	return z
}

// numbers is a set of numbers that is counted without being listed.
type numbers interface {
	count() int
	nth(i int) place.Number // by its index from 0
	has(n place.Number) bool
}

// listed are numbers one by one.
type listed []place.Number

func (l listed) count() int              { return len(l) }
func (l listed) nth(i int) place.Number  { return l[i] }
func (l listed) has(n place.Number) bool { return slices.Contains(l, n) }

// lengths are all numbers of so many digits, two or more, with or without zeros.
type lengths struct {
	digits []int
	zeros  Zeros
	parts  bool // only those of more than one part: not 300
}

func power(base, n int) int {
	p := 1
	for range n {
		p *= base
	}
	return p
}

func (l lengths) count() int {
	sum := 0
	for _, d := range l.digits {
		sum += 9 * l.rests(d-1)
	}
	return sum
}

// rests counts what can follow a first digit: so many digits more.
func (l lengths) rests(d int) int {
	n := 0
	switch l.zeros {
	case NoZeros:
		return power(9, d)
	case WithZeros:
		n = power(10, d) - power(9, d)
	default:
		n = power(10, d)
	}
	if l.parts {
		n-- // nothing but zeros
	}
	return n
}

func (l lengths) nth(i int) place.Number {
	for _, d := range l.digits {
		each := l.rests(d - 1)
		if i >= 9*each {
			i -= 9 * each
			continue
		}
		return place.Number((1+i/each)*power(10, d-1) + l.rest(d-1, i%each))
	}
	panic("number: there is no such number")
}

// rest is what follows a first digit, by its index in the order of size.
func (l lengths) rest(d, i int) int {
	if l.zeros == NoZeros {
		rest := 0
		for at := d - 1; at >= 0; at-- {
			rest = 10*rest + 1 + i/power(9, at)%9
		}
		return rest
	}
	if l.parts {
		i++
	}
	if l.zeros == WithZeros {
		return withZero(d, i)
	}
	return i
}

// withZero is the i-th of the rests of d digits that have a zero, in the order of size.
func withZero(d, i int) int {
	if i < power(10, d-1) { // a zero comes first, and anything after it
		return i
	}
	each := power(10, d-1) - power(9, d-1)
	i -= power(10, d-1)
	return (1+i/each)*power(10, d-1) + withZero(d-1, i%each)
}

func (l lengths) has(n place.Number) bool {
	if n < 10 || !slices.Contains(l.digits, n.Length()) || l.parts && len(n.Expanded()) == 1 {
		return false
	}
	return l.zeros == AnyZeros || hasZero(n) == (l.zeros == WithZeros)
}

// hasZero tells whether a 0 is among the digits of a number.
func hasZero(n place.Number) bool {
	for p := place.Ones; p <= n.Top(); p++ {
		if n.Digit(p) == 0 {
			return true
		}
	}
	return false
}

// Space is all questions of a choice, counted without being listed.
type Space struct{ parts []part }

// part is the questions that are shown and answered in one way.
type part interface {
	asks() way
	count() int
	nth(i int) Asked // by its index from 0
	has(a Asked) bool
}

// single are questions with one number each.
type single struct {
	way
	numbers numbers
}

func (s single) asks() way  { return s.way }
func (s single) count() int { return s.numbers.count() }
func (s single) nth(i int) Asked {
	return Asked{Number: s.numbers.nth(i), Shown: s.shown, Answered: s.answered}
}
func (s single) has(a Asked) bool {
	return s.shown == a.Shown && s.answered == a.Answered && s.numbers.has(a.Number)
}

// Way is one way of showing with one of answering, and how many questions there are.
type Way struct {
	Shown    Shown
	Answered Answered
	Count    int
}

// Ways are the ways in which at least one question is asked.
func (s Space) Ways() []Way {
	list := make([]Way, len(s.parts))
	for i, p := range s.parts {
		list[i] = Way{p.asks().shown, p.asks().answered, p.count()}
	}
	return list
}

// Count is how many questions there are.
func (s Space) Count() int { return together(s.parts) }

// Nth is a question by its index from 0; things lie as in a choice of no seed.
func (s Space) Nth(i int) Asked {
	p, i := among(s.parts, i)
	return p.nth(i)
}

// among finds the part in which the i-th of all lies that they have together, and its index
// there. It panics beyond the last.
func among[P interface{ count() int }](parts []P, i int) (P, int) {
	for _, p := range parts {
		if n := p.count(); i >= n {
			i -= n
			continue
		}
		return p, i
	}
	panic("number: there is no such question")
}

// together counts what several parts have.
func together[P interface{ count() int }](parts []P) int {
	sum := 0
	for _, p := range parts {
		sum += p.count()
	}
	return sum
}

// Has tells whether a question is among them, however its things lie.
func (s Space) Has(a Asked) bool {
	return slices.ContainsFunc(s.parts, func(p part) bool { return p.has(a) })
}

// Of are those of some questions that are among them, each once.
func (s Space) Of(some []Asked) []Asked {
	var list []Asked
	for _, a := range some {
		if a = a.unlaid(); s.Has(a) && !slices.Contains(list, a) {
			list = append(list, a)
		}
	}
	return list
}

// unlaid is the question as it is known again: without the seed by which its things lie, the
// numbers that are compared in the order of size.
func (a Asked) unlaid() Asked {
	a.Seed = 0
	if a.Answered.compares() {
		list := a.Numbers()
		slices.Sort(list)
		a.Number, a.With = list[0], withNumbers(list[1:])
	}
	return a
}

// In are those of the questions that are worked with one thing in the hand.
func (s Space) In(h Hand) Space {
	var in Space
	for _, p := range s.parts {
		if w := p.asks(); (Asked{Shown: w.shown, Answered: w.answered}).Hand() == h {
			in.parts = append(in.parts, p)
		}
	}
	return in
}

// few is up to how many questions are listed to be drawn from; of more, one that was drawn
// before is drawn anew.
const few = 4096

// Draw draws up to so many questions that are none of some others, each as likely as any
// other and none twice, by a seed. Scattered things get a layout of their own.
func (s Space) Draw(count int, seed uint64, others []Asked) []Asked {
	all := s.Count()
	rng := rand.New(rand.NewPCG(seed, uint64(all)))
	had := s.Of(others)
	count = min(count, all-len(had))
	var drawn []Asked
	if all <= few {
		for _, i := range rng.Perm(all) {
			if len(drawn) == count {
				break
			}
			if a := s.Nth(i); !slices.Contains(had, a) {
				drawn = append(drawn, a)
			}
		}
	} else {
		for len(drawn) < count {
			if a := s.Nth(rng.IntN(all)); !slices.Contains(had, a) {
				drawn, had = append(drawn, a), append(had, a)
			}
		}
	}
	for i := range drawn {
		if drawn[i].scattered() {
			drawn[i].Seed = 1 + rng.Uint32N(9_999)
		}
		if drawn[i].Answered.compares() { // in any order
			list := drawn[i].Numbers()
			rng.Shuffle(len(list), func(i, k int) { list[i], list[k] = list[k], list[i] })
			drawn[i].Number, drawn[i].With = list[0], withNumbers(list[1:])
		}
	}
	return drawn
}

// All lists every question, each once.
func (s Space) All() []Asked {
	list := make([]Asked, s.Count())
	for i := range list {
		list[i] = s.Nth(i)
	}
	return list
}

// scattered tells whether things lie as a seed says.
func (a Asked) scattered() bool { return a.Shown == Crowd || a.Shown == Handful }
