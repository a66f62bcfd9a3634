package group

import (
	"cmp"
	"math"
	"slices"

	"vineswap/core/book"
	"vineswap/core/ladder"
)

// Seat is a child at a lesson, with the step that it takes there and how long it has waited.
type Seat struct {
	Child
	Step  ladder.NextStep
	Days  int  // school days since its last lesson
	Never bool // it had none yet
}

// Meeting is a lesson that suggests itself: at which stage and in which manner, and who sits
// there.
type Meeting struct {
	ladder.Key
	Seats []Seat
}

// Pair is two children who are not to sit together, by their ids.
type Pair [2]string

// need is how much a step presses.
var need = map[ladder.StepKind]float64{ladder.GoBack: 4, ladder.Begin: 3, ladder.GoOn: 3, ladder.LookAgain: 2, ladder.LetBe: 1, ladder.KeepUp: 1}

// longestCounted is the wait from which on a child presses no more than before.
const longestCounted = 30 // school days

// presses is how much it matters that a child sits there: by its need, and by the square of
// the days that it has waited, so that nobody is left out for long.
func (s Seat) presses() float64 {
	days := float64(min(s.Days, longestCounted) + 1)
	return need[s.Step.Kind] * days * days
}

// Meetings suggests lessons of one day, the most pressing first: each at one stage in one
// manner, with at most so many seats. Nobody sits at two of them or beside a child of a pair
// that is kept apart. A child of whom a stage is to be looked at again sits at no other.
func Meetings(children []Child, seats, most int, apart []Pair, today book.Day) []Meeting {
	offers := map[ladder.Key][]Seat{}
	for _, c := range children {
		for _, s := range seatsFor(c, today) {
			key := ladder.Key{Stage: s.Step.Stage, Manner: s.Step.Manner}
			offers[key] = append(offers[key], s)
		}
	}
	p := planner{seats: seats, apart: map[Pair]bool{}}
	for _, pair := range apart {
		p.apart[pair], p.apart[Pair{pair[1], pair[0]}] = true, true
	}
	for key, list := range offers {
		slices.SortStableFunc(list, func(a, b Seat) int {
			return cmp.Or(cmp.Compare(b.presses(), a.presses()), cmp.Compare(a.Name, b.Name), cmp.Compare(a.ID, b.ID))
		})
		p.offers = append(p.offers, offer{key, list})
	}
	slices.SortFunc(p.offers, func(a, b offer) int { return a.key.Compare(b.key) })
	list, _ := p.best(nil, most, firstTries)
	slices.SortStableFunc(list, func(a, b Meeting) int { return cmp.Compare(b.presses(), a.presses()) })
	return list
}

func (m Meeting) presses() (sum float64) {
	for _, s := range m.Seats {
		sum += s.presses()
	}
	return sum
}

// seatsFor are the steps that a child can take in a lesson, one for each stage and manner.
func seatsFor(c Child, today book.Day) []Seat {
	last, seen := c.LastSeen()
	waited := Seat{Child: c, Days: longestCounted, Never: !seen}
	if seen {
		waited.Days = last.SchoolDays(today)
	}
	looked := pressing(c, ladder.Strands(), today).Stage
	if !(ladder.Key{Stage: looked}).Presented() {
		looked = ""
	}
	var list []Seat
	for _, s := range c.NextSteps(today) {
		if looked != "" && s.Stage != looked {
			continue
		}
		key := ladder.Key{Stage: s.Stage, Manner: s.Manner}
		if !key.Presented() || slices.ContainsFunc(list, func(had Seat) bool { return had.Step.Stage == s.Stage && had.Step.Manner == s.Manner }) {
			continue
		}
		seat := waited
		seat.Step = s
		list = append(list, seat)
	}
	if len(list) == 0 {
		if key, found := c.LongestUnused(); found {
			waited.Step = ladder.NextStep{Kind: ladder.KeepUp, Stage: key.Stage, Manner: key.Manner, Lobe: c.Lobe(key, today)}
			list = append(list, waited)
		}
	}
	return list
}

// offer is who could sit at a stage in a manner, the most pressing first.
type offer struct {
	key  ladder.Key
	list []Seat
}

// planner looks for the lessons of a day that press most together.
type planner struct {
	seats  int
	apart  map[Pair]bool
	offers []offer
}

// firstTries is how many of the best lessons are tried for the first; for each later one only
// the best few are, since they leave others less to choose.
const firstTries = 12

// best are lessons without some children: the best of those that begin with one of the most
// pressing lessons.
func (p planner) best(taken []string, most, tries int) ([]Meeting, float64) {
	if most == 0 {
		return nil, 0
	}
	var first []Meeting
	for _, o := range p.offers {
		if m := p.meeting(o, taken); len(m.Seats) > 0 {
			first = append(first, m)
		}
	}
	slices.SortStableFunc(first, func(a, b Meeting) int { return cmp.Compare(b.presses(), a.presses()) })
	var list []Meeting
	best := 0.0
	for _, m := range first[:min(tries, len(first))] {
		rest, more := p.best(append(taken[:len(taken):len(taken)], idsOf(m)...), most-1, max(1, tries/4))
		if sum := m.presses() + more; sum > best {
			list, best = append([]Meeting{m}, rest...), sum
		}
	}
	return list, best
}

func idsOf(m Meeting) []string {
	ids := make([]string, len(m.Seats))
	for i, s := range m.Seats {
		ids[i] = s.ID
	}
	return ids
}

// meeting seats those who press most at one stage in one manner, nobody beside a child from
// whom it is kept apart.
func (p planner) meeting(o offer, taken []string) Meeting {
	var free []Seat
	for _, s := range o.list {
		if !slices.Contains(taken, s.ID) {
			free = append(free, s)
		}
	}
	m := Meeting{Key: o.key}
	m.Seats, _ = p.seated(free, nil, p.seats)
	return m
}

// seated is the most pressing set of so many who may sit together with those who sit there.
// The list is in the order of pressing, so that a branch ends where what is left cannot
// press more than what was found.
func (p planner) seated(free, there []Seat, seats int) ([]Seat, float64) {
	if seats == 0 || len(free) == 0 {
		return there, 0
	}
	together := func(s Seat) bool {
		return !slices.ContainsFunc(there, func(x Seat) bool { return p.apart[Pair{x.ID, s.ID}] })
	}
	if len(p.apart) == 0 {
		there = append(there[:len(there):len(there)], free[:min(seats, len(free))]...)
		return there, math.Inf(1)
	}
	var best []Seat
	found := -1.0
	for i, s := range free {
		if found >= 0 && float64(seats)*s.presses() <= found {
			break
		}
		if !together(s) {
			continue
		}
		list, more := p.seated(free[i+1:], append(there[:len(there):len(there)], s), seats-1)
		if sum := s.presses() + more; sum > found {
			best, found = list, sum
		}
	}
	if found < 0 {
		return there, 0
	}
	return best, found
}
