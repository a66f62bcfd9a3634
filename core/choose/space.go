package choose

import (
	"math/rand/v2"

	"vineswap/core/place"
)

// Bounds of what one column of six numbers can hold.
const (
	mostCarry = 5     // what comes up into a column
	mostOwn   = 6 * 9 // the sum of a column's own digits
	tenOver   = 10    // where a column swaps
	topDigit  = 9     // the largest digit
	states    = (mostCarry + 1) * 2 * (manySwaps + 1) * 2
)

// state is what the programme remembers between two columns.
type state struct {
	carry int  // what comes up
	zero  bool // a digit 0 has been seen
	swaps int  // places that swapped so far, manySwaps and more being one
	made  bool // a place has swapped only by what came up
}

func (s state) index() int {
	return ((s.carry*2+bit(s.zero))*(manySwaps+1)+s.swaps)*2 + bit(s.made)
}

func bit(b bool) int {
	if b {
		return 1
	}
	return 0
}

// stateAt is the inverse of state.index.
func stateAt(i int) state {
	s := state{made: i%2 == 1}
	i /= 2
	s.swaps, i = i%(manySwaps+1), i/(manySwaps+1)
	s.zero, s.carry = i%2 == 1, i/2
	return s
}

// tuples is how many ways there are to fill some digits of a column, by their
// sum and by whether a 0 is among them.
type tuples [mostOwn + 1][2]uint64

// column is one column of the numbers that are chosen.
type column struct {
	numbers []int    // which numbers have a digit here
	lowest  []int    // the smallest digit that each may have: 1 for a first digit
	ways    []tuples // ways[j]: the ways to fill the digits from the j-th on
	swap    Want
	made    Want
	sealed  bool // the highest place with pieces: what would come up has no piece
}

// Space is the set of all problems that fit a choice. Its order is fixed, and
// At finds the problem at any index.
type Space struct {
	choice  Choice
	rule    rule
	columns []column        // ones first
	rest    [][states]Count // rest[p][s]: ways to fill the columns from p on, coming in state s
}

// Space counts the problems of a choice. The error is that of Choice.Valid.
func (c Choice) Space() (*Space, error) {
	if err := c.Valid(); err != nil {
		return nil, err
	}
	s := &Space{choice: c, rule: c.Stage.rule(c.Top())}
	for p := range c.Top() + 1 {
		s.columns = append(s.columns, s.column(p))
	}
	s.count()
	return s, nil
}

func (s *Space) column(p place.Place) column {
	c := column{swap: s.choice.Swap[p], made: s.rule.made, sealed: s.choice.Laid && p == place.TopPiece}
	for number, digits := range s.choice.Digits {
		if int(p) >= digits {
			continue
		}
		lowest := 0
		if int(p) == digits-1 || s.choice.Zeros == No {
			lowest = 1
		}
		c.numbers, c.lowest = append(c.numbers, number), append(c.lowest, lowest)
	}
	c.ways = fillings(c.lowest)
	if s.choice.Laid && !p.HasPiece() {
		c.ways[0] = tuples{} // no number with a digit here can be laid out
	}
	return c
}

// fillings returns for each j the ways to fill the digits from the j-th on.
func fillings(lowest []int) []tuples {
	ways := make([]tuples, len(lowest)+1)
	ways[len(lowest)][0][0] = 1
	for j := len(lowest) - 1; j >= 0; j-- {
		for sum := 0; sum <= topDigit*(len(lowest)-1-j); sum++ {
			for d := lowest[j]; d <= topDigit; d++ {
				ways[j][sum+d][1] += ways[j+1][sum][1]
				ways[j][sum+d][bit(d == 0)] += ways[j+1][sum][0]
			}
		}
	}
	return ways
}

// after returns the state that a column with its own digit sum and zeros leads
// to; ok is false where the choice forbids it.
func (s *Space) after(p int, from state, own int, zero bool) (to state, ok bool) {
	c := &s.columns[p]
	out := (own + from.carry) / tenOver
	swaps := out > 0
	made := swaps && own < tenOver
	if !c.swap.allows(swaps) || !s.rule.swap[p].allows(swaps) || made && c.made == No || swaps && c.sealed {
		return to, false
	}
	return state{out, from.zero || zero, min(from.swaps+bit(swaps), manySwaps), from.made || made}, true
}

// accepts tells whether the problem may end in this state.
func (s *Space) accepts(end state) bool {
	return (s.choice.Zeros != Yes || end.zero) &&
		end.swaps >= s.rule.fewest && (s.rule.most == manySwaps || end.swaps <= s.rule.most) &&
		(s.rule.made != Yes || end.made)
}

// count fills the table of rests from the highest column down.
func (s *Space) count() {
	s.rest = make([][states]Count, len(s.columns)+1)
	for i := range states {
		if s.accepts(stateAt(i)) {
			s.rest[len(s.columns)][i] = CountOf(1)
		}
	}
	for p := len(s.columns) - 1; p >= 0; p-- {
		for i := range states {
			total := Count{}
			s.each(p, stateAt(i), func(_ int, _ bool, ways uint64, rest Count) bool {
				total = total.plus(rest.times(ways))
				return true
			})
			s.rest[p][i] = total
		}
	}
}

// each calls visit for every own sum and zero flag of a column that can be
// filled and leads on, with the ways to fill it and the rest above, in the
// order of the space, until visit returns false.
func (s *Space) each(p int, from state, visit func(own int, zero bool, ways uint64, rest Count) bool) {
	c := &s.columns[p]
	for own := 0; own <= topDigit*len(c.numbers); own++ {
		for zero := range 2 {
			ways := c.ways[0][own][zero]
			if ways == 0 {
				continue
			}
			to, ok := s.after(p, from, own, zero == 1)
			if !ok {
				continue
			}
			if rest := s.rest[p+1][to.index()]; !rest.IsZero() && !visit(own, zero == 1, ways, rest) {
				return
			}
		}
	}
}

// Fits returns how many problems fit. The order of the numbers matters.
func (s *Space) Fits() Count { return s.rest[0][state{}.index()] }

// At returns the problem at an index, which must be below Fits: the numbers in
// written order.
func (s *Space) At(index Count) []place.Number {
	numbers := make([]place.Number, len(s.choice.Digits))
	at := state{}
	for p := range s.columns {
		s.each(p, at, func(own int, zero bool, ways uint64, rest Count) bool {
			block := rest.times(ways)
			if !index.Less(block) {
				index = index.minus(block)
				return true
			}
			var tuple uint64
			tuple, index = index.divide(rest)
			s.columns[p].fill(numbers, place.Place(p).Unit(), own, zero, tuple)
			at, _ = s.after(p, at, own, zero)
			return false
		})
	}
	return numbers
}

// fill sets the column's digits to the tuple-th of those with the given sum
// and zero flag.
func (c *column) fill(numbers []place.Number, unit, own int, zero bool, tuple uint64) {
	seen := false // a 0 has been set, so the digits still to come are free to have one or none
	for j, number := range c.numbers {
		for d := c.lowest[j]; d <= min(topDigit, own); d++ {
			ways := c.waysOn(j+1, own-d, zero, seen || d == 0)
			if tuple < ways {
				numbers[number] += place.Number(d * unit)
				own, seen = own-d, seen || d == 0
				break
			}
			tuple -= ways
		}
	}
}

// waysOn returns the ways to fill the digits from the j-th on, when the whole
// column is to have a 0 or none and one has been seen or not.
func (c *column) waysOn(j, sum int, zero, seen bool) uint64 {
	w := c.ways[j][sum]
	switch {
	case zero && seen:
		return w[0] + w[1]
	case zero:
		return w[1]
	case seen:
		return 0
	}
	return w[0]
}

// Draw returns n different problems, each set of n in each order as likely as
// any other; all of them, mixed, where fewer fit. The same seed gives the same
// problems. It shuffles the indices as far as they are needed, keeping only
// those that have moved.
func (s *Space) Draw(n int, seed uint64) [][]place.Number {
	rng := rand.New(rand.NewPCG(seed, 0x76696e65))
	left := s.Fits()
	if all := CountOf(uint64(n)); left.Less(all) {
		n = int(left.lo)
	}
	moved := make(shuffle, n)
	problems := make([][]place.Number, 0, n)
	for i := range uint64(n) {
		first := CountOf(i)
		j := first.plus(below(rng, left))
		problems = append(problems, s.At(moved.at(j)))
		moved[j] = moved.at(first)
		left = left.minus(CountOf(1))
	}
	return problems
}

// shuffle is a list of indices of which only the moved ones are kept.
type shuffle map[Count]Count

func (m shuffle) at(i Count) Count {
	if to, ok := m[i]; ok {
		return to
	}
	return i
}
