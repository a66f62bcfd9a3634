package group

import (
	"cmp"
	"slices"
)

// sitter is a seat as the planner counts it: whose it is, by the child's place in the class,
// and how much it presses.
type sitter struct {
	seat    *Seat
	child   int
	presses float64
}

// offer is who could sit at a lesson of a kind, the most pressing first.
type offer struct {
	kind Kind
	list []sitter
}

// lesson is one that could be held.
type lesson struct {
	kind    Kind
	sits    []sitter
	presses float64 // all of them together
}

func (l lesson) meeting() Meeting {
	m := Meeting{Kind: l.kind, Seats: make([]Seat, len(l.sits))}
	for i, s := range l.sits {
		m.Seats[i] = *s.seat
	}
	return m
}

// planner looks for the lessons of a day that press most together.
type planner struct {
	seats  int
	apart  [][]bool // which children are not to sit together; nil where all may
	offers []offer
	taken  []bool // which children sit somewhere already
}

func plannerOf(children []Child, offers map[Kind][]sitter, d Day) *planner {
	p := &planner{seats: d.Seats, taken: make([]bool, len(children))}
	for _, pair := range d.Apart {
		one := slices.IndexFunc(children, func(c Child) bool { return c.ID == pair[0] })
		other := slices.IndexFunc(children, func(c Child) bool { return c.ID == pair[1] })
		if one < 0 || other < 0 {
			continue
		}
		if p.apart == nil {
			p.apart = make([][]bool, len(children))
			for i := range p.apart {
				p.apart[i] = make([]bool, len(children))
			}
		}
		p.apart[one][other], p.apart[other][one] = true, true
	}
	for kind, list := range offers {
		slices.SortStableFunc(list, func(a, b sitter) int {
			return cmp.Or(cmp.Compare(b.presses, a.presses), cmp.Compare(a.seat.Name, b.seat.Name), cmp.Compare(a.seat.ID, b.seat.ID))
		})
		p.offers = append(p.offers, offer{kind, list})
	}
	slices.SortFunc(p.offers, func(a, b offer) int { return a.kind.compare(b.kind) })
	return p
}

// again are the lessons that were put off on earlier days and can be held now, the one that
// was put off first before the others. Who sits there is taken.
func (p *planner) again(d Day) (list []Meeting) {
	off := slices.SortedStableFunc(slices.Values(d.Off), func(a, b PutOff) int { return cmp.Compare(a.On, b.On) })
	for _, put := range off {
		i := slices.IndexFunc(p.offers, func(o offer) bool { return o.kind == put.Kind })
		if i < 0 || put.On >= d.Today || put.On.SchoolDays(d.Today) > longestOff || len(list) == d.Most {
			continue
		}
		mine := offer{put.Kind, slices.DeleteFunc(slices.Clone(p.offers[i].list), func(s sitter) bool { return !slices.Contains(put.Children, s.seat.ID) })}
		if l := p.lesson(mine); len(l.sits) > 0 {
			p.take(l, true)
			m := l.meeting()
			m.Off = &put
			list = append(list, m)
		}
	}
	return list
}

func (p *planner) take(l lesson, taken bool) {
	for _, s := range l.sits {
		p.taken[s.child] = taken
	}
}

// firstTries is how many of the best lessons are tried for the first; for each later one only
// the best few are, since they leave others less to choose.
const firstTries = 12

// best are so many lessons without those who are taken: the best of those that begin with one
// of the most pressing lessons.
func (p *planner) best(most, tries int) (list []lesson, best float64) {
	if most <= 0 {
		return nil, 0
	}
	first := make([]lesson, 0, len(p.offers))
	for _, o := range p.offers {
		if l := p.lesson(o); len(l.sits) > 0 {
			first = append(first, l)
		}
	}
	slices.SortStableFunc(first, func(a, b lesson) int { return cmp.Compare(b.presses, a.presses) })
	for _, l := range first[:min(tries, len(first))] {
		p.take(l, true)
		rest, more := p.best(most-1, max(1, tries/4))
		p.take(l, false)
		if sum := l.presses + more; sum > best {
			list, best = append([]lesson{l}, rest...), sum
		}
	}
	return list, best
}

// lesson seats those who press most at one stage in one manner, nobody beside a child from
// whom it is kept apart.
func (p *planner) lesson(o offer) lesson {
	free := make([]sitter, 0, len(o.list))
	for _, s := range o.list {
		if !p.taken[s.child] {
			free = append(free, s)
		}
	}
	l := lesson{kind: o.kind}
	if p.apart == nil {
		l.sits = free[:min(p.seats, len(free))]
		for _, s := range l.sits {
			l.presses += s.presses
		}
		return l
	}
	l.sits, l.presses = p.seated(free, nil, p.seats)
	return l
}

// seated adds to those who sit there the most pressing so many who may sit with them, and says
// how much these press. The list is in the order of pressing, so that a branch ends where what
// is left cannot press more than what was found.
func (p *planner) seated(free, there []sitter, seats int) (best []sitter, found float64) {
	best = there
	if seats == 0 {
		return best, 0
	}
	for i, s := range free {
		if float64(seats)*s.presses <= found {
			break
		}
		if slices.ContainsFunc(there, func(x sitter) bool { return p.apart[x.child][s.child] }) {
			continue
		}
		list, more := p.seated(free[i+1:], append(there[:len(there):len(there)], s), seats-1)
		if sum := s.presses + more; sum > found {
			best, found = list, sum
		}
	}
	return best, found
}
