package slip

import (
	"slices"
	"strconv"

	"vineswap/core/place"
)

// Procedure is written adding and taking as a child does it who makes some slips, or none.
// The zero value is not ready; New makes one. It is not changed by working.
type Procedure struct {
	left    bool // the shorter numbers are set flush left
	shorter bool // only the columns of the shorter number are worked

	takesInstead bool
	allDigits    bool // every digit is added as ones
	lastOut      bool // the last addend is left out
	rightward    bool
	lastOnes     bool // of the last column only the ones are written
	column       func(c *column, in int) int
	carry        func(sum int) (written, carried int) // of every column but the last

	addsInstead bool
	when        func(top, lower int, last bool) bool
	paid        func(p *paper, i int) bool
	atOnce      func(top, lower int, written bool) (int, bool) // what is written without swapping or taking; nil for nothing
	result      func(top, lower int, swapped bool) int
	counts      bool // what is left comes out one more
}

// New is the right procedure with the parts replaced that the slips replace.
func New(ids ...ID) Procedure {
	p := Procedure{column: plainSum, carry: plainCarry, when: whenShort, paid: (*paper).swapsDown, result: plainResult}
	for _, id := range ids {
		if i := index(id); i >= 0 {
			slips[i].into(&p)
		}
	}
	return p
}

// Fact is a wrong fact: what the column comes to is off by so much. What is carried follows
// from what was written. The zero value is none.
type Fact struct {
	Column int // from the ones, 0 first
	Off    int
}

// Answer works the numbers of a problem, in taking the larger first; false where this
// cannot be carried out.
func (p Procedure) Answer(o Operation, numbers []place.Number) (int, bool) {
	return p.work(o, numbers, Fact{}, nil)
}

// AnswerWith works them with one wrong fact; false also where the column cannot be off by
// so much.
func (p Procedure) AnswerWith(f Fact, o Operation, numbers []place.Number) (int, bool) {
	return p.work(o, numbers, f, nil)
}

// Blank is where a number has no digit in a column.
const Blank = -1

// Written is a worked sum or difference as it stands on paper, the ones column first.
type Written struct {
	Columns []WrittenColumn
	Upper   int // taking: which row it is taken from
	Answer  int
}

// WrittenColumn is one column of it.
type WrittenColumn struct {
	Digits  []int  // of each number, from the top; Blank where it has none here
	Carried int    // the small digit that was carried here; 0 for none
	Tops    []int  // what the upper digit became, one after another: each crosses out the one before
	Result  string // what is written under the line; empty for nothing
}

// Write works the numbers and tells what is on the paper then; false where this cannot be
// carried out.
func (p Procedure) Write(o Operation, numbers []place.Number) (Written, bool) {
	w := Written{}
	answer, ok := p.work(o, numbers, Fact{}, &w)
	w.Answer = answer
	return w, ok
}

// The most columns and rows: six digits, and nine equal numbers.
const (
	mostColumns = place.Count
	mostRows    = 9
)

// column is one column of a written sum: its digits, blanks left out.
type column struct {
	digits [mostRows]int8
	count  int8
}

func (c *column) put(digit int) {
	c.digits[c.count] = int8(digit)
	c.count++
}

func (c *column) sum() int {
	sum := 0
	for _, d := range c.digits[:c.count] {
		sum += int(d)
	}
	return sum
}

func (p *Procedure) work(o Operation, numbers []place.Number, f Fact, w *Written) (int, bool) {
	if o == Add {
		return p.add(numbers, f, w)
	}
	return p.take(numbers[0], numbers[1], f, w)
}

func (p *Procedure) add(numbers []place.Number, f Fact, w *Written) (int, bool) {
	if p.takesInstead {
		if len(numbers) != 2 {
			return 0, false
		}
		taking := *p
		taking.addsInstead = false
		return taking.take(max(numbers[0], numbers[1]), min(numbers[0], numbers[1]), f, w)
	}
	counted := numbers
	if p.lastOut {
		if len(numbers) < 3 {
			return 0, false
		}
		counted = numbers[:len(numbers)-1]
	}
	w.set(numbers, p.left)
	if p.allDigits {
		return allDigits(counted, f, w)
	}
	columns, low, high := setDown(numbers, counted, p.left)
	if p.shorter {
		low, high = shared(columns[:], len(counted), low, high)
	}
	own := p.column
	if p.counts && len(numbers) != 2 { // three are not counted on
		own = plainSum
	}
	var written [mostColumns]int
	in := 0
	first, last, step := low, high, 1
	if p.rightward {
		first, last, step = high, low, -1
	}
	for i := first; ; i += step {
		w.carry(i, in)
		sum := own(&columns[i], in)
		if f.Off != 0 && f.Column == i {
			if sum += f.Off; sum < 0 {
				return 0, false
			}
		}
		if i == last {
			if written[i] = sum; p.lastOnes && !p.rightward {
				written[i] = sum % 10
			}
			break
		}
		written[i], in = p.carry(sum)
	}
	return w.read(written[:], low, high), true
}

// setDown stands the numbers that count under one another, ones first, as all of them are
// set down; and from which column to which there are digits.
func setDown(all, counted []place.Number, left bool) (columns [mostColumns]column, low, high int) {
	top := int(place.HighestOf(all))
	low, high = mostColumns, 0
	for _, n := range counted {
		shift := 0
		if left {
			shift = top - int(n.Top())
		}
		length := n.Length()
		for i := range length {
			columns[i+shift].put(int(n) % 10)
			n /= 10
		}
		low, high = min(low, shift), max(high, shift+length-1)
	}
	return columns, low, high
}

// shared is from which column to which every number has a digit.
func shared(columns []column, numbers, low, high int) (first, last int) {
	for int(columns[low].count) < numbers {
		low++
	}
	for int(columns[high].count) < numbers {
		high--
	}
	return low, high
}

func allDigits(numbers []place.Number, f Fact, w *Written) (int, bool) {
	sum := 0
	for _, n := range numbers {
		sum += n.DigitSum()
	}
	if f.Column == 0 {
		sum += f.Off
	}
	return w.read([]int{sum}, 0, 0), sum >= 0 && f.Column == 0
}

// paper is what each place of the larger number has while it is worked, ones first.
type paper struct {
	top [mostColumns]int
	n   int
}

func (p *Procedure) take(larger, smaller place.Number, f Fact, w *Written) (int, bool) {
	if p.addsInstead {
		adding := *p
		adding.takesInstead = false
		return adding.add([]place.Number{larger, smaller}, f, w)
	}
	on := paper{n: larger.Length()}
	for i, rest := 0, larger; i < on.n; i++ {
		on.top[i] = int(rest % 10)
		rest /= 10
	}
	low, high := 0, smaller.Length()-1
	if p.left {
		low, high = on.n-1-high, on.n-1
		if int(smaller)*place.Place(low).Unit() > int(larger) {
			return 0, false
		}
	}
	w.set([]place.Number{larger, smaller}, p.left)
	from, to := 0, on.n-1
	if p.shorter {
		from, to = low, high
	}
	var result [mostColumns]int
	rest := int(smaller)
	for i := from; i <= to; i++ {
		lower, written := 0, i >= low && i <= high
		if written {
			lower = rest % 10
			rest /= 10
		}
		before := on.top
		d, ok := p.takeIn(&on, i, lower, written)
		if f.Off != 0 && f.Column == i {
			d += f.Off
		}
		if !ok || d < 0 || d > 9 {
			return 0, false
		}
		result[i] = d
		w.crossOut(before[:on.n], on.top[:on.n])
	}
	return w.read(result[:], from, to), true
}

// takeIn works one place and says what is written there.
func (p *Procedure) takeIn(on *paper, i, lower int, written bool) (digit int, ok bool) {
	last := i == on.n-1
	digit, done := 0, false
	if p.atOnce != nil {
		digit, done = p.atOnce(on.top[i], lower, written)
	}
	if !done {
		swaps := p.when(on.top[i], lower, last)
		if swaps && !p.paid(on, i) {
			return 0, false
		}
		if digit = p.result(on.top[i], lower, swaps); swaps {
			digit %= 10
		}
	}
	if p.counts && lower > 0 {
		digit = min(9, digit+1)
	}
	return digit, true
}

// set writes the numbers under one another. Of no paper nothing is kept.
func (w *Written) set(numbers []place.Number, left bool) {
	if w == nil {
		return
	}
	top := int(place.HighestOf(numbers))
	for i := range top + 1 {
		c := WrittenColumn{}
		for _, n := range numbers {
			shift := 0
			if left {
				shift = top - int(n.Top())
			}
			digit := Blank
			if at := place.Place(i - shift); at >= 0 && n.Has(at) {
				digit = n.Digit(at)
			}
			c.Digits = append(c.Digits, digit)
		}
		w.Columns = append(w.Columns, c)
	}
}

func (w *Written) carry(i, digit int) {
	if w != nil {
		w.Columns[i].Carried = digit
	}
}

func (w *Written) crossOut(before, now []int) {
	if w == nil {
		return
	}
	for i := range now {
		if before[i] != now[i] {
			w.Columns[i].Tops = append(w.Columns[i].Tops, now[i])
		}
	}
}

// read writes what stands under the line from one column to another, each in full, and
// reads it as a number.
func (w *Written) read(results []int, from, to int) int {
	value := 0
	for i := to; i >= from; i-- {
		unit := 10
		for unit <= results[i] {
			unit *= 10
		}
		value = value*unit + results[i]
		if w != nil {
			w.Columns[i].Result = strconv.Itoa(results[i])
		}
	}
	w.clear(from, to)
	return value
}

// clear takes away the zeros that nobody writes before a number that was taken from.
func (w *Written) clear(from, to int) {
	if w == nil {
		return
	}
	for i := to; i > from && slices.Contains([]string{"0", ""}, w.Columns[i].Result); i-- {
		w.Columns[i].Result = ""
	}
}
