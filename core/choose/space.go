package choose

import (
	"fmt"
	"slices"
	"sort"

	"vineswap/core/place"
	"vineswap/core/problem"
)

// Space is the set of all problems that fit a choice. Its order is fixed: At
// finds the problem at any index, and Index the index of any problem. It is not
// safe for use by several goroutines at once.
type Space struct {
	choice  Choice
	rule    rule
	counts  bool // whether swapping places are counted
	crosses bool // whether zeros that are crossed are counted
	columns []column
	states  [][]state     // those reached before each column, and at the end
	edges   [][][]int32   // edges[p][s][f]: where a filling f of column p leads from state s; −1 where it may not
	rest    [][]Count     // rest[p][s]: the ways to fill the columns from p on
	weights [][][][]Count // weights[p][s][j][n]: the ways on from node n of layer j, made when first asked for
	skip    []Count       // the indices of problems that are left out, in order
}

// Space counts the problems of a choice. The error is that of Choice.Valid, or of the
// context that it is counted in.
func (c Choice) Space() (*Space, error) {
	if err := c.Valid(); err != nil {
		return nil, err
	}
	s := c.ruled()
	s.columns = s.choice.columns()
	for i := range s.columns {
		if err := c.work.ended(); err != nil {
			return nil, err
		}
		s.columns[i].ready(&s.choice)
	}
	if err := s.reach(); err != nil {
		return nil, err
	}
	s.count()
	return s, nil
}

// ruled is the space of a choice with its rule, before anything is counted.
func (c Choice) ruled() *Space {
	s := &Space{choice: c, rule: c.Stage.rule(c.Top(), len(c.Digits))}
	s.counts = s.rule.fewest > 0 || s.rule.most < manySwaps
	s.crosses = c.Cross != Any || c.Row != Any || s.rule.cross != Any || s.rule.row != Any
	if s.rule.high == 0 || c.Most > 0 && c.Most < s.rule.high {
		s.rule.high = c.Most
	}
	return s
}

// reach finds the states between the columns and how fillings lead from one to
// the next.
func (s *Space) reach() error {
	s.states = [][]state{{{}}}
	for p := range s.columns {
		col := &s.columns[p]
		ids := map[state]int32{}
		var next []state
		edges := make([][]int32, len(s.states[p]))
		for i, from := range s.states[p] {
			if err := s.choice.work.ended(); err != nil {
				return err
			}
			edges[i] = make([]int32, len(col.profiles))
			for f, filled := range col.profiles {
				to, ok := s.step(col, from, filled)
				if !ok {
					edges[i][f] = -1
					continue
				}
				id, known := ids[to]
				if !known {
					id = int32(len(next))
					ids[to], next = id, append(next, to)
				}
				edges[i][f] = id
			}
		}
		s.edges, s.states = append(s.edges, edges), append(s.states, next)
	}
	return nil
}

// count fills the table of rests from the last column back.
func (s *Space) count() {
	last := len(s.columns)
	s.rest = make([][]Count, last+1)
	s.rest[last] = make([]Count, len(s.states[last]))
	for i, end := range s.states[last] {
		if s.accepts(end) {
			s.rest[last][i] = CountOf(1)
		}
	}
	for p := last - 1; p >= 0; p-- {
		s.rest[p] = make([]Count, len(s.states[p]))
		for i, edges := range s.edges[p] {
			total := Count{}
			for f, to := range edges {
				if to >= 0 {
					total = total.Plus(s.rest[p+1][to].times(s.columns[p].ways[f]))
				}
			}
			s.rest[p][i] = total
		}
	}
	s.weights = make([][][][]Count, last)
	for p := range s.weights {
		s.weights[p] = make([][][]Count, len(s.states[p]))
	}
}

// Fits returns how many problems fit. The order of the numbers matters.
func (s *Space) Fits() Count { return s.rest[0][0].Minus(CountOf(uint64(len(s.skip)))) }

// LeftOut returns how many problems would fit and are left out.
func (s *Space) LeftOut() int { return len(s.skip) }

// Except returns the space without some problems. Those that do not fit anyway
// are passed over.
func (s *Space) Except(problems [][]place.Number) *Space {
	less := *s
	less.skip = nil
	for _, numbers := range problems {
		if index, ok := s.Index(numbers); ok {
			less.skip = append(less.skip, index)
		}
	}
	slices.SortFunc(less.skip, Count.compare)
	less.skip = slices.Compact(less.skip)
	return &less
}

// weigh returns, for column p entered in state i, the ways to go on from each
// node of each layer.
func (s *Space) weigh(p, i int) [][]Count {
	if s.weights[p][i] != nil {
		return s.weights[p][i]
	}
	col := &s.columns[p]
	last := len(col.slots)
	w := make([][]Count, last+1)
	w[last] = make([]Count, len(col.profiles))
	for f, to := range s.edges[p][i] {
		if to >= 0 {
			w[last][f] = s.rest[p+1][to]
		}
	}
	for j := last - 1; j >= 0; j-- {
		w[j] = make([]Count, len(col.layers[j]))
		for n := range col.layers[j] {
			for _, to := range col.layers[j][n].next {
				if to >= 0 {
					w[j][n] = w[j][n].Plus(w[j+1][to])
				}
			}
		}
	}
	s.weights[p][i] = w
	return w
}

// At returns the problem at an index: the numbers in written order, and how many share or
// how many trays there are. It panics where the index is not below Fits.
func (s *Space) At(index Count) []place.Number {
	if !index.Less(s.Fits()) {
		panic(fmt.Sprintf("choose: problem %v of a space with %v", index, s.Fits()))
	}
	return s.at(s.withSkipped(index))
}

// withSkipped turns an index among the problems that are left into one among all.
func (s *Space) withSkipped(index Count) Count {
	before := sort.Search(len(s.skip), func(j int) bool { return index.Less(s.skip[j].Minus(CountOf(uint64(j)))) })
	return index.Plus(CountOf(uint64(before)))
}

func (s *Space) at(index Count) []place.Number {
	numbers := make([]place.Number, s.numbers())
	state := int32(0)
	for p := range s.columns {
		col := &s.columns[p]
		w := s.weigh(p, int(state))
		n := int32(0)
		for j, slot := range col.slots {
			for d, to := range col.layers[j][n].next {
				if to < 0 {
					continue
				}
				if ways := w[j+1][to]; !index.Less(ways) {
					index = index.Minus(ways)
					continue
				}
				numbers[slot.number] += place.Number(d * col.unit())
				n = to
				break
			}
		}
		state = s.edges[p][state][n]
	}
	return numbers
}

func (s *Space) numbers() int {
	if op := s.choice.kind(); op == problem.Sharing || op == problem.Trays {
		return 2
	}
	return len(s.choice.Digits)
}

func (c *column) unit() int {
	if c.by {
		return 1
	}
	return c.place.Unit()
}

// digit is what a number has where the column has a slot.
func (c *column) digit(n place.Number) int {
	if c.by {
		return int(n)
	}
	return n.Digit(c.place)
}

// Index returns where a problem stands among all that fit, those that are left
// out too; false where it does not fit.
func (s *Space) Index(numbers []place.Number) (index Count, ok bool) {
	if !s.shaped(numbers) {
		return index, false
	}
	state := int32(0)
	for p := range s.columns {
		col := &s.columns[p]
		w := s.weigh(p, int(state))
		n := int32(0)
		for j, slot := range col.slots {
			digit := col.digit(numbers[slot.number])
			if digit > topDigit || col.layers[j][n].next[digit] < 0 {
				return index, false
			}
			for _, to := range col.layers[j][n].next[:digit] {
				if to >= 0 {
					index = index.Plus(w[j+1][to])
				}
			}
			n = col.layers[j][n].next[digit]
		}
		if state = s.edges[p][state][n]; state < 0 {
			return index, false
		}
	}
	return index, !s.rest[len(s.columns)][state].IsZero()
}

// shaped tells whether numbers have the lengths of the choice.
func (s *Space) shaped(numbers []place.Number) bool {
	if len(numbers) != s.numbers() {
		return false
	}
	for i, digits := range s.choice.Digits {
		if numbers[i].Length() != digits || numbers[i] < 1 {
			return false
		}
	}
	return true
}

// Draw returns n different problems, each set of n in each order as likely as
// any other; all of them, mixed, where fewer fit. The same seed gives the same
// problems. It panics where n is less than 0.
func (s *Space) Draw(n int, seed uint64) [][]place.Number {
	if n < 0 {
		panic(fmt.Sprintf("choose: a draw of %d problems", n))
	}
	problems := make([][]place.Number, 0, n)
	for _, i := range Pick(s.Fits(), n, seed) {
		problems = append(problems, s.At(i))
	}
	return problems
}
