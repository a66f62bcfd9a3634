package group

import (
	"cmp"
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
	offers := map[Kind][]sitter{}
	for i, c := range children {
		seats := seatsFor(c, d.Today)
		for k := range seats {
			if kind := KindOf(seats[k].Step); !d.offToday(kind, c.ID) {
				offers[kind] = append(offers[kind], sitter{&seats[k], i, seats[k].presses()})
			}
		}
	}
	p := plannerOf(children, offers, d)
	again := p.again(d)
	list, _ := p.best(d.Most-len(again), firstTries)
	slices.SortStableFunc(list, func(a, b lesson) int { return cmp.Compare(b.presses, a.presses) })
	out := again
	for _, l := range list {
		out = append(out, l.meeting())
	}
	return out
}

// offToday tells whether a lesson was put off today for a child.
func (d Day) offToday(kind Kind, child string) bool {
	return slices.ContainsFunc(d.Off, func(o PutOff) bool {
		return o.On == d.Today && o.Kind == kind && slices.Contains(o.Children, child)
	})
}

// seatsFor are the steps that a child can take in a lesson, one for each stage and manner.
func seatsFor(c Child, today book.Day) []Seat {
	last, seen := c.LastSeen()
	waited := Seat{Child: c, Days: longestCounted, Never: !seen}
	if seen {
		waited.Days = last.SchoolDays(today)
	}
	looked := pressing(c, ladder.Strands(), today).Stage
	var list []Seat
	for _, s := range c.NextSteps(today) {
		if looked != "" && s.Stage != looked {
			continue
		}
		kind := KindOf(s)
		if slices.ContainsFunc(list, func(had Seat) bool { return KindOf(had.Step) == kind }) {
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
