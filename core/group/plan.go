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
	Kind
	Seats []Seat
	Off   *PutOff // it was put off on an earlier day; nil for one that was not
}

// Kind is what a lesson is at: a stage in a manner and, where material is left, two tasks of
// which one is with pieces and one in that manner.
type Kind struct {
	ladder.Key
	Leaving bool
}

// compare orders kinds by their keys.
func (k Kind) compare(other Kind) int {
	leaving := func(k Kind) int {
		if k.Leaving {
			return 1
		}
		return 0
	}
	return cmp.Or(k.Key.Compare(other.Key), cmp.Compare(leaving(k), leaving(other)))
}

// KindOf is the kind of lesson in which a step is taken.
func KindOf(s ladder.NextStep) Kind {
	return Kind{ladder.Key{Stage: s.Stage, Manner: s.Manner}, s.Kind == ladder.Leave}
}

// PutOff is a lesson that was suggested to some children, by their ids, and put off.
type PutOff struct {
	Kind
	Children []string
	On       book.Day
	Why      Why
}

// Why is why a lesson was put off.
type Why string

// The reasons for putting a lesson off.
const (
	NoTime    Why = "no-time"
	NoPieces  Why = "no-pieces"   // something that it needs is not there
	NotForNow Why = "not-for-now" // the children are not in the mood for it
)

// Whys returns the reasons in order.
func Whys() []Why { return []Why{NoTime, NoPieces, NotForNow} }

// longestOff is for how many school days a lesson that was put off is suggested again.
const longestOff = 10

// Day is what bears on the lessons that are suggested on a day.
type Day struct {
	Today book.Day
	Seats int // at one lesson
	Most  int // lessons
	Apart []Pair
	Off   []PutOff // at most one of a kind for the same children
}

// Pair is two children who are not to sit together, by their ids.
type Pair [2]string

// need is how much a step presses.
var need = map[ladder.StepKind]float64{ladder.GoBack: 4, ladder.Begin: 3, ladder.GoOn: 3, ladder.LookAgain: 2, ladder.Return: 3.25, ladder.Leave: 3.25, ladder.LetBe: 1, ladder.KeepUp: 1}

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
// that is kept apart. A child of whom a stage is to be looked at again sits at no other. A
// lesson that was put off on an earlier day comes before all others, for those of its children
// whose step it is still; one that was put off today is not suggested to them again.
func Meetings(children []Child, d Day) []Meeting {
	offers := map[Kind][]Seat{}
	for _, c := range children {
		for _, s := range seatsFor(c, d.Today) {
			kind := KindOf(s.Step)
			if !d.offToday(kind, c.ID) {
				offers[kind] = append(offers[kind], s)
			}
		}
	}
	p := planner{seats: d.Seats, apart: map[Pair]bool{}}
	for _, pair := range d.Apart {
		p.apart[pair], p.apart[Pair{pair[1], pair[0]}] = true, true
	}
	for kind, list := range offers {
		slices.SortStableFunc(list, func(a, b Seat) int {
			return cmp.Or(cmp.Compare(b.presses(), a.presses()), cmp.Compare(a.Name, b.Name), cmp.Compare(a.ID, b.ID))
		})
		p.offers = append(p.offers, offer{kind, list})
	}
	slices.SortFunc(p.offers, func(a, b offer) int { return a.kind.compare(b.kind) })
	again, taken := p.again(d)
	list, _ := p.best(taken, d.Most-len(again), firstTries)
	slices.SortStableFunc(list, func(a, b Meeting) int { return cmp.Compare(b.presses(), a.presses()) })
	return append(again, list...)
}

// offToday tells whether a lesson was put off today for a child.
func (d Day) offToday(kind Kind, child string) bool {
	return slices.ContainsFunc(d.Off, func(o PutOff) bool {
		return o.On == d.Today && o.Kind == kind && slices.Contains(o.Children, child)
	})
}

// again are the lessons that were put off on earlier days and can be held now, the one that
// was put off first before the others, and who sits there.
func (p planner) again(d Day) (list []Meeting, taken []string) {
	off := slices.SortedStableFunc(slices.Values(d.Off), func(a, b PutOff) int { return cmp.Compare(a.On, b.On) })
	for _, put := range off {
		i := slices.IndexFunc(p.offers, func(o offer) bool { return o.kind == put.Kind })
		if i < 0 || put.On >= d.Today || put.On.SchoolDays(d.Today) > longestOff || len(list) == d.Most {
			continue
		}
		mine := offer{put.Kind, slices.DeleteFunc(slices.Clone(p.offers[i].list), func(s Seat) bool { return !slices.Contains(put.Children, s.ID) })}
		if m := p.meeting(mine, taken); len(m.Seats) > 0 {
			m.Off = &put
			list, taken = append(list, m), append(taken, idsOf(m)...)
		}
	}
	return list, taken
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
		kind := KindOf(s)
		if !kind.Presented() || slices.ContainsFunc(list, func(had Seat) bool { return KindOf(had.Step) == kind }) {
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
	kind Kind
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
	if most <= 0 {
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
	m := Meeting{Kind: o.kind}
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

// Fits tells which of some lessons, by their minutes, fit one after another into the minutes
// that each of so many adults has: each goes to the adult with the most minutes left. With no
// minutes said all fit.
func Fits(lessons []int, each, adults int) []bool {
	fits := make([]bool, len(lessons))
	left := slices.Repeat([]int{each}, max(1, adults))
	for i, minutes := range lessons {
		most := slices.Index(left, slices.Max(left))
		if fits[i] = each == 0 || minutes <= left[most]; fits[i] {
			left[most] -= minutes
		}
	}
	return fits
}
