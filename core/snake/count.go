package snake

import (
	"errors"
	"fmt"
	"slices"

	"vineswap/core/choose"
	"vineswap/core/piece"
)

// MostStairs is with how many stairs snakes are planned at most.
const MostStairs = 4

// MostLeft is how many beads of a bar a ten leaves at most.
const MostLeft = piece.LongestBar - 1

// Choice is which snakes are wanted.
type Choice struct {
	Bars   int // how many, 1 to MostBars
	Stairs int // that the class owns, each with one bar of a size
	// Left are the wishes for what a ten leaves of a bar, by the number of beads from 1.
	Left [MostLeft + 1]choose.Want
	Cut  choose.Want // whether a ten cuts a bar: never, at least once
	End  choose.Want // whether beads follow the last ten
	Ten  bool        // there is at least one ten
}

// Errors of a choice.
var (
	ErrStairs  = errors.New("there are not so many stairs")
	ErrOwned   = errors.New("there are not so many bars")
	ErrLeft    = errors.New("a ten leaves 1 to 8 beads of a bar")
	ErrTooMany = errors.New("so many remainders at once are not planned from so many stairs")
)

// Valid tells why the choice cannot be counted, with the nearest that can; nil when it can.
func (c Choice) Valid() error {
	switch owned := c.Stairs * piece.LongestBar; {
	case c.Stairs < 1:
		return fmt.Errorf("%w: a snake is laid from at least one stair", ErrStairs)
	case c.Stairs > MostStairs:
		return fmt.Errorf("%w: snakes are planned from up to %d", ErrStairs, MostStairs)
	case c.Bars < 1 || c.Bars > MostBars:
		return fmt.Errorf("%w, not %d; from these stairs the nearest is %d", ErrBars, c.Bars, min(max(c.Bars, 1), MostBars, owned))
	case c.Bars > owned:
		return fmt.Errorf("%w: from these stairs a snake has at most %d bars, not %d", ErrOwned, owned, c.Bars)
	case c.states()<<len(c.musts()) > mostCounted:
		most := 0
		for c.states()<<(most+1) <= mostCounted {
			most++
		}
		return fmt.Errorf("%w: let at most %d of them come up for sure", ErrTooMany, most)
	}
	return nil
}

// mostCounted is how many counts are kept at once, of 16 bytes each.
const mostCounted = 1<<22 + 1<<20

// each is how many bars of one size there are that matter.
func (c Choice) each() int { return min(c.Stairs, c.Bars) }

// states is how many ways there are to have taken some bars of each size.
func (c Choice) states() int { return power(c.each()+1, piece.LongestBar) }

func power(base, exponent int) int {
	n := 1
	for range exponent {
		n *= base
	}
	return n
}

// musts are the remainders that must come up; 0 alone stands for any of them, where a ten must
// cut a bar and it is open how.
func (c Choice) musts() []int {
	var list []int
	for left := 1; left <= MostLeft; left++ {
		if c.Left[left] == choose.Yes {
			list = append(list, left)
		}
	}
	if len(list) == 0 && c.Cut == choose.Yes {
		return []int{0}
	}
	return list
}

// Space is all snakes of a choice, each by its index.
//
// Which bars were taken tells how many beads were counted, and so where in its ten the count
// stands. A state is therefore no more than how many bars of each size are used, with which
// of the wanted remainders have come up; the table has how many ways lead from it to the end.
type Space struct {
	choice Choice
	steps  [piece.LongestBar + 1]int // what one bar of a size adds to the number of a state
	masks  int                       // how many sets of the wanted remainders there are
	met    [MostLeft + 1]int         // what a remainder adds to the set
	rest   []choose.Count            // by state and set
	beads  []int16                   // of a state
}

// Space counts the snakes of the choice.
func (c Choice) Space() (*Space, error) {
	if err := c.Valid(); err != nil {
		return nil, err
	}
	s := &Space{choice: c, masks: 1 << len(c.musts())}
	for i, left := range c.musts() {
		s.met[left] = 1 << i
	}
	if s.met[0] > 0 { // any remainder will do
		for left := range s.met {
			s.met[left] = s.met[0]
		}
	}
	base := c.each() + 1
	for beads := 1; beads <= piece.LongestBar; beads++ {
		s.steps[beads] = power(base, beads-1)
	}
	s.count(base)
	return s, nil
}

// count fills the table from the fullest state back to the empty one.
func (s *Space) count(base int) {
	states := s.choice.states()
	s.rest, s.beads = make([]choose.Count, states*s.masks), make([]int16, states)
	for state := states - 1; state >= 0; state-- {
		bars, beads := 0, 0
		var used [piece.LongestBar + 1]int
		for size, n := 1, state; n > 0; size, n = size+1, n/base {
			used[size] = n % base
			bars += used[size]
			beads += size * used[size]
		}
		s.beads[state] = int16(beads)
		if bars > s.choice.Bars {
			continue
		}
		row := s.rest[state*s.masks : (state+1)*s.masks]
		if bars == s.choice.Bars {
			if s.ends(beads) {
				row[s.masks-1] = choose.CountOf(1)
			}
			continue
		}
		for size := 1; size <= piece.LongestBar; size++ {
			if used[size] == base-1 {
				continue
			}
			met, may := s.meets(beads, size)
			if !may {
				continue
			}
			next := s.rest[(state+s.steps[size])*s.masks:]
			for set := range row {
				row[set] = row[set].Plus(next[set|met])
			}
		}
	}
}

// ends tells whether a snake of so many beads ends as it is wanted.
func (s *Space) ends(beads int) bool {
	over := beads%Ten > 0
	return (s.choice.End == choose.Any || over == (s.choice.End == choose.Yes)) && (!s.choice.Ten || beads >= Ten)
}

// meets tells which wanted remainder a bar leaves that is counted after so many beads, and
// whether it may.
func (s *Space) meets(beads, bar int) (met int, may bool) {
	left := beads%Ten + bar - Ten
	if left <= 0 {
		return 0, true
	}
	if s.choice.Cut == choose.No || s.choice.Left[left] == choose.No {
		return 0, false
	}
	return s.met[left], true
}

// Fits is how many snakes there are.
func (s *Space) Fits() choose.Count { return s.rest[0] }

// At is the snake with an index below Fits.
func (s *Space) At(index choose.Count) Snake {
	bars := make([]int, 0, s.choice.Bars)
	state, set := 0, 0
	for len(bars) < s.choice.Bars {
		for size := 1; ; size++ {
			count, to, with := s.through(state, set, size)
			if index.Less(count) {
				bars, state, set = append(bars, size), to, with
				break
			}
			index = index.Minus(count)
		}
	}
	return Snake{bars}
}

// through is how many ways go on from a state with a bar, and where it leads.
func (s *Space) through(state, set, bar int) (count choose.Count, to, with int) {
	if state/s.steps[bar]%(s.choice.each()+1) == s.choice.each() {
		return count, 0, 0
	}
	met, may := s.meets(int(s.beads[state]), bar)
	if !may {
		return count, 0, 0
	}
	to, with = state+s.steps[bar], set|met
	return s.rest[to*s.masks+with], to, with
}

// Draw draws up to so many snakes that are none of some others, each as likely as any other
// and none twice, by a seed.
func (s *Space) Draw(count int, seed uint64, others []Snake) []Snake {
	had := map[string]bool{}
	for _, o := range others {
		had[o.String()] = true
	}
	drawn := []Snake{}
	for _, index := range choose.Pick(s.Fits(), count+len(had), seed) {
		if snake := s.At(index); len(drawn) < count && !had[snake.String()] {
			drawn = append(drawn, snake)
		}
	}
	return drawn
}

// Mend is one wish that is in the way, and how many snakes there are without it.
type Mend struct {
	Without string // "left", "cut", "end", "bars"
	Left    int    // of "left": which remainder
	Bars    int    // of "bars": with so many instead
	Fits    choose.Count
}

// farthest is how many bars more or fewer are tried.
const farthest = 6

// Mends are the single changes by which a choice of which there is no snake gets some, those
// with the most snakes first; none where no single one does.
func (c Choice) Mends() []Mend {
	var list []Mend
	try := func(m Mend) {
		other := c
		m.Into(&other)
		space, err := other.Space()
		if err == nil && !space.Fits().IsZero() {
			m.Fits = space.Fits()
			list = append(list, m)
		}
	}
	for left := 1; left <= MostLeft; left++ {
		if c.Left[left] != choose.Any {
			try(Mend{Without: "left", Left: left})
		}
	}
	if c.Cut != choose.Any {
		try(Mend{Without: "cut"})
	}
	if c.End != choose.Any {
		try(Mend{Without: "end"})
	}
	for off := 1; off <= farthest && len(list) == 0; off++ {
		try(Mend{Without: "bars", Bars: c.Bars + off})
		if c.Bars > off {
			try(Mend{Without: "bars", Bars: c.Bars - off})
		}
	}
	slices.SortStableFunc(list, func(a, b Mend) int { return b.Fits.Big().Cmp(a.Fits.Big()) })
	return list
}

// Into makes the change in a choice.
func (m Mend) Into(c *Choice) {
	switch {
	case m.Without == "cut":
		c.Cut = choose.Any
	case m.Without == "end":
		c.End = choose.Any
	case m.Bars > 0:
		c.Bars = m.Bars
	default:
		c.Left[m.Left] = choose.Any
	}
}

// Wanted is the first remainder that must come up; 0 where none must.
func (c Choice) Wanted() int {
	return max(0, slices.Index(c.Left[:], choose.Yes))
}
