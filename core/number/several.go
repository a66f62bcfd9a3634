package number

import (
	"slices"
	"sort"

	"vineswap/core/place"
	"vineswap/core/task"
)

// Differ is where numbers that are compared differ first.
type Differ string

// In their lengths, or in a place.
const (
	ByLength    Differ = "length"
	ByThousands Differ = "thousands"
	ByHundreds  Differ = "hundreds"
	ByTens      Differ = "tens"
	ByOnes      Differ = "ones"
)

// differSides are the sides of Differ.
var differSides = []Differ{ByLength, ByThousands, ByHundreds, ByTens, ByOnes}

// MostCompared is how many numbers are compared at most.
const MostCompared = 5

// Numbers are all numbers of the question, in the order in which they are shown.
func (a Asked) Numbers() []place.Number {
	list := []place.Number{a.Number}
	for _, n := range a.With {
		if n > 0 {
			list = append(list, n)
		}
	}
	return list
}

// compares tells whether numbers are compared.
func (a Answered) compares() bool { return a == Sign || a == Order || a == Decides }

// several tells whether the question has more than one number.
func (w way) several() bool { return w.answered.compares() || w.answered == Join }

// takesSeveral tells whether so many numbers are asked in the way.
func (w way) takesSeveral(n int) bool {
	switch w.answered {
	case Sign, Decides, Join:
		return n == 2
	case Order:
		return n >= 3 && n <= MostCompared
	}
	return n == 1
}

// withNumbers are the other numbers of a question.
func withNumbers(list []place.Number) (with [MostCompared - 1]place.Number) {
	copy(with[:], list)
	return with
}

// Choices are the answers to choose from, where it is not answered in figures: the signs, or
// the places; none for another question.
func (a Asked) Choices() []task.Answer {
	switch a.Answered {
	case Sign:
		return []task.Answer{{less}, {greater}}
	case Decides:
		var list []task.Answer
		for p := place.HighestOf(a.Numbers()); p >= place.Ones; p-- {
			list = append(list, task.Answer{place.Number(p.Unit())})
		}
		return list
	}
	return nil
}

// Deciding is the highest place in which two numbers differ: it decides which is more.
func Deciding(a, b place.Number) place.Place {
	for p := max(a.Top(), b.Top()); p > place.Ones; p-- {
		if a.Digit(p) != b.Digit(p) {
			return p
		}
	}
	return place.Ones
}

// DiffersIn is where numbers differ first.
func DiffersIn(list []place.Number) Differ {
	first := place.Ones
	for _, n := range list {
		if n.Length() != list[0].Length() {
			return ByLength
		}
		first = max(first, Deciding(list[0], n))
	}
	return Differ(first.String())
}

// sets are those of so many different numbers that differ first where it is said, out of
// numbers of some lengths. A set is its numbers in the order of size.
type sets struct {
	way
	all  lengths
	many []int
	part []differing
}

// differing are the sets of one size that differ first in one place, or in their lengths.
// Under each beginning that the numbers have in common stand classes of numbers, one for
// each digit of the place or for each length: sets are taken of them that do not all lie in
// one class.
type differing struct {
	in        Differ
	digits    int // of each number; 0 for different lengths
	many      int
	beginning numbers // what they have in common; nil for nothing
	classes   []int   // how many numbers there are in each
	number    func(beginning place.Number, class, i int) place.Number
	each      int // under each beginning
}

func ofCompared(w way, all lengths, many []int, differ []Differ) sets {
	c := sets{way: w, all: all, many: many}
	for _, k := range many {
		if !w.takesSeveral(k) {
			continue
		}
		for _, d := range differ {
			if d == ByLength {
				c.part = append(c.part, all.inLength(k))
				continue
			}
			for _, digits := range all.digits {
				if p, _ := place.Parse(string(d)); int(p) < digits {
					c.part = append(c.part, all.inPlace(k, digits, p))
				}
			}
		}
	}
	c.part = slices.DeleteFunc(c.part, func(d differing) bool { return d.count() == 0 })
	return c
}

// inLength are sets of different lengths.
func (l lengths) inLength(many int) differing {
	d := differing{in: ByLength, many: many}
	var ofLength []lengths
	for _, n := range l.digits {
		only := lengths{[]int{n}, l.zeros, false}
		ofLength, d.classes = append(ofLength, only), append(d.classes, only.count())
	}
	d.number = func(_ place.Number, class, i int) place.Number { return ofLength[class].nth(i) }
	d.each = setsOver(d.classes, many)
	return d
}

// inPlace are sets of one length whose digits above a place are the same.
func (l lengths) inPlace(many, digits int, p place.Place) differing {
	least := 0
	if l.zeros == NoZeros || int(p) == digits-1 {
		least = 1
	}
	rest := power(10, int(p))
	if l.zeros == NoZeros {
		rest = power(9, int(p))
	}
	d := differing{in: Differ(p.String()), digits: digits, many: many}
	for range 10 - least {
		d.classes = append(d.classes, rest)
	}
	if above := digits - 1 - int(p); above == 1 {
		d.beginning = listed{1, 2, 3, 4, 5, 6, 7, 8, 9}
	} else if above > 1 {
		d.beginning = lengths{[]int{above}, l.zeros, false}
	}
	d.number = func(beginning place.Number, class, i int) place.Number {
		if l.zeros == NoZeros {
			i = l.rest(int(p), i)
		}
		return (10*beginning+place.Number(least+class))*place.Number(p.Unit()) + place.Number(i)
	}
	d.each = setsOver(d.classes, many)
	return d
}

// setsOver counts the sets of so many out of classes that do not all lie in one.
func setsOver(classes []int, many int) int {
	all, one := 0, 0
	for _, n := range classes {
		all += n
		one += binomial(n, many)
	}
	return binomial(all, many) - one
}

// binomial is how many sets of k there are of n: up to some 10^18 for five of 9,990.
func binomial(n, k int) int {
	if n < k {
		return 0
	}
	count := 1
	for i := range k {
		count = count * (n - i) / (i + 1)
	}
	return count
}

func (d differing) count() int {
	if d.beginning == nil {
		return d.each
	}
	return d.beginning.count() * d.each
}

// nth is one of the sets by its index.
func (d differing) nth(i int) []place.Number {
	var beginning place.Number
	if d.beginning != nil {
		beginning = d.beginning.nth(i / d.each)
	}
	i %= d.each
	var list []place.Number
	for class, n := range d.classes {
		for some := range min(d.many, d.many-len(list)+1) { // of this class; all of one are none
			after := d.after(class+1, d.many-len(list)-some, len(list)+some > 0)
			here := binomial(n, some) * after
			if i >= here {
				i -= here
				continue
			}
			for _, k := range combination(n, some, i/after) {
				list = append(list, d.number(beginning, class, k))
			}
			i %= after
			break
		}
	}
	return list
}

// after counts the sets of so many out of the classes from one on: any of them where some
// are chosen before, otherwise those that do not all lie in one class.
func (d differing) after(class, many int, chosen bool) int {
	if many == 0 {
		return 1
	}
	if !chosen {
		return setsOver(d.classes[class:], many)
	}
	all := 0
	for _, n := range d.classes[class:] {
		all += n
	}
	return binomial(all, many)
}

// combination is the i-th set of k out of 0 to n − 1, by its largest first.
func combination(n, k, i int) []int {
	set := make([]int, k)
	for ; k > 0; k-- {
		top := sort.Search(n, func(v int) bool { return binomial(v+1, k) > i })
		set[k-1] = top
		i -= binomial(top, k)
	}
	return set
}

func (c sets) asks() way { return c.way }

func (c sets) count() int { return together(c.part) }

func (c sets) nth(i int) Asked {
	d, i := among(c.part, i)
	list := d.nth(i)
	slices.Sort(list)
	return Asked{Number: list[0], With: withNumbers(list[1:]), Shown: c.shown, Answered: c.answered}
}

func (c sets) has(a Asked) bool {
	list := a.Numbers()
	if a.Shown != c.shown || a.Answered != c.answered || a.Valid() != nil || !slices.Contains(c.many, len(list)) {
		return false
	}
	if slices.ContainsFunc(list, func(n place.Number) bool { return !c.all.has(n) }) {
		return false
	}
	in := DiffersIn(list)
	return slices.ContainsFunc(c.part, func(d differing) bool {
		return d.in == in && d.many == len(list) && (in == ByLength || d.digits == list[0].Length())
	})
}

// joined are pairs of numbers that are added in their parts.
type joined struct {
	way
	numbers numbers
}

func (j joined) asks() way { return j.way }

func (j joined) count() int { return j.numbers.count() * j.numbers.count() }

func (j joined) nth(i int) Asked {
	n := j.numbers.count()
	return Asked{Number: j.numbers.nth(i / n), With: withNumbers([]place.Number{j.numbers.nth(i % n)}), Shown: j.shown, Answered: j.answered}
}

func (j joined) has(a Asked) bool {
	return a.Shown == j.shown && a.Answered == j.answered && a.Valid() == nil && j.numbers.has(a.Number) && j.numbers.has(a.With[0])
}
