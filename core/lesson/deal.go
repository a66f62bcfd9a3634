package lesson

import (
	"math/bits"
	"slices"

	"vineswap/core/chain"
	"vineswap/core/ladder"
	"vineswap/core/number"
	"vineswap/core/place"
	"vineswap/core/snake"
	"vineswap/core/swap"
	"vineswap/core/task"
	"vineswap/core/trace"
)

// Lack is what a child at the mat has still to show at a stage in a manner.
type Lack struct {
	Skills []task.Skill
	Beads  ladder.Beads
}

// Key is the stage that an item counts for, in the manner in which it is worked.
func (l Lesson) Key(nth int) ladder.Key {
	return ladder.Key{Stage: ladder.Credit(l.Items[nth].Task, l.Items[nth].Stage), Manner: l.manner(nth)}
}

// each tells whether every child works a task whole, on its own: where it is for the whole
// class, and at one of the two by which
// material is left, which stand one after the other, the first planned with pieces and the
// second without.
func (l Lesson) each(nth int) bool {
	pair := func(first int) bool {
		if first < 0 || first+1 >= len(l.Items) {
			return false
		}
		with, without := l.Items[first], l.Items[first+1]
		return with.Stage == without.Stage && with.Manner.WithMaterial() && without.Manner != "" && !without.Manner.WithMaterial()
	}
	return l.Whole || pair(nth) || pair(nth-1)
}

// parts are the places of a task that are different children's; none where it is not worked
// place by place, or by each child whole.
func (l Lesson) parts(nth int) []place.Place {
	if l.each(nth) {
		return nil
	}
	return l.Items[nth].Task.Parts()
}

// Deal gives each place of the tasks that are not dealt yet to a child. Lacks tells what each
// child of the lesson, in its order, has still to show under a key.
func (l Lesson) Deal(lacks func(ladder.Key) []Lack) Lesson {
	l.Items = slices.Clone(l.Items)
	for i, item := range l.Items {
		if item.Turns == nil && len(l.Children) > 0 && len(l.parts(i)) > 0 {
			l.Items[i].Turns = deal(item.Task, lacks(l.Key(i)), i)
		}
	}
	return l
}

// Dealt tells whether each place of all tasks has its child.
func (l Lesson) Dealt() bool {
	for i, item := range l.Items {
		if len(l.Children) > 0 && item.Turns == nil && len(l.parts(i)) > 0 {
			return false
		}
	}
	return true
}

// reseated keeps whose turn was whose at the tasks that were worked, where all of those who
// had one stay; the other tasks are dealt anew.
func (l *Lesson) reseated(children []string) {
	l.Items = slices.Clone(l.Items)
	for i, item := range l.Items {
		l.Items[i].Turns = nil
		if worked := i < l.Nth || len(item.Saw) > 0; !worked {
			continue
		}
		turns := make([]int, len(item.Turns))
		for at, seat := range item.Turns {
			if turns[at] = -1; seat >= 0 {
				turns[at] = slices.Index(children, l.Children[seat])
			}
		}
		if len(turns) > 0 && !slices.Contains(turns, -1) {
			l.Items[i].Turns = turns
		}
	}
}

// turns says whose each place of a task is, by the place: as it was dealt, or else as it is
// dealt where nothing is known of the children.
func (l Lesson) turns(nth int) []int {
	if item := l.Items[nth]; item.Turns != nil || len(l.parts(nth)) == 0 {
		return item.Turns
	}
	return deal(l.Items[nth].Task, make([]Lack, len(l.Children)), nth)
}

// deal finds who works which place of the nth task of a lesson, by the place: the seat of the
// child. First as many children as can have a place have one; then as much is shown as can
// be of what each lacks; then all have as many places; then the swaps are those of the
// children who hold the fewest beads; then the turn passes with each place; and last with each
// task. All ways are tried: there are at most seven places and four children.
func deal(t task.Task, lacks []Lack, nth int) []int {
	parts := t.Parts()
	if len(parts) == 0 || len(lacks) == 0 {
		return nil
	}
	d := dealer{lacks: lacks, nth: nth, parts: parts, shows: make([]skills, len(parts)), lacking: make([]skills, len(lacks))}
	all := t.Shows()
	for i, p := range parts {
		d.shows[i] = among(t.ShowsIn(place.SetOf(p)), all)
	}
	for i, l := range lacks {
		d.lacking[i] = among(l.Skills, all)
	}
	seats := make([]int, len(parts))
	best := slices.Clone(seats)
	found := d.worth(seats)
	for next(seats, len(lacks)) {
		if w := d.worth(seats); slices.Compare(w[:], found[:]) > 0 {
			found = w
			copy(best, seats)
		}
	}
	turns := make([]int, int(slices.Max(parts))+1)
	for i, p := range parts {
		turns[p] = best[i]
	}
	return turns
}

// next counts on to the next way of dealing; false after the last.
func next(seats []int, children int) bool {
	for i := range seats {
		if seats[i]++; seats[i] < children {
			return true
		}
		seats[i] = 0
	}
	return false
}

// skills are some of those that a task shows, a bit for each.
type skills uint32

func among(some, all []task.Skill) (s skills) {
	for i, skill := range all {
		if slices.Contains(some, skill) {
			s |= 1 << i
		}
	}
	return s
}

type dealer struct {
	lacks   []Lack
	nth     int
	parts   []place.Place
	shows   []skills // in each of the parts
	lacking []skills // of each child
}

// worth is how good a way of dealing is, what matters most first.
func (d dealer) worth(seats []int) (w [6]int) {
	var had [MostChildren]int
	var shown [MostChildren]skills
	for i, seat := range seats {
		had[seat]++
		shown[seat] |= d.shows[i]
		if d.shows[i] != 0 {
			w[3] -= int(d.lacks[seat].Beads)
		}
		if i > 0 && seat != seats[i-1] {
			w[4]++
		}
		if seat == (int(d.parts[i])+d.nth)%len(d.lacks) {
			w[5]++
		}
	}
	for seat, lacking := range d.lacking {
		w[0] += min(had[seat], 1)
		w[1] += bits.OnesCount32(uint32(shown[seat] & lacking))
		w[2] -= had[seat] * had[seat]
	}
	return w
}

// turn says whose turn a step is: each tray has its builder, each place its child as it was
// dealt. Where groups are taken off, or tens ringed, the turn passes with each; so many were
// before the step. A number that is asked alone, and one fact, are one child's, the next
// task the next child's.
func (l Lesson) turn(t trace.Trace, s trace.Step, taken int, turns []int) int {
	children := len(l.Children)
	switch {
	case children == 0 || l.Whole:
		return -1
	case t.Scene == snake.Scene, t.Scene == chain.Scene: // each ten, pair or bar is another child's
		return (l.Nth + max(s.Ten, 1) - 1) % children
	case t.Scene != trace.Problem:
		return (l.Nth + taken) % children
	case s.At.Phase == trace.LayOut && s.Tray > 0:
		return (s.Tray - 1) % children
	case s.At.Phase != trace.Work && s.At.Phase != trace.Swapping, l.each(l.Nth):
		return -1
	case int(s.At.Place) < len(turns):
		return turns[s.At.Place]
	}
	return (l.Nth + taken) % children
}

// passes tells whether the turn passes on after a step, wherever in the work it is: after
// each group that is taken off, and each ring.
func passes(s trace.Step) bool { return s.Kind == swap.TakeGroup || s.Kind == number.Gather }

// turnsIn says for each step of a trace of the task in hand whose turn it is; -1 for nobody.
func (l Lesson) turnsIn(t trace.Trace) []int {
	turns, passed := l.turns(l.Nth), 0
	list := make([]int, len(t.Steps))
	for i, s := range t.Steps {
		list[i] = l.turn(t, s, passed, turns)
		if passes(s) {
			passed = s.Ten
		}
	}
	return list
}

// Part is what of a task was a child's own: some of its places, or the whole of it where it
// is not worked place by place; false where the child had no turn.
func (l Lesson) Part(nth, seat int) (part place.Set, had bool) {
	if len(l.Children) == 1 || l.each(nth) {
		return 0, true
	}
	if parts := l.parts(nth); len(parts) > 0 {
		turns := l.turns(nth)
		for _, p := range parts {
			if turns[p] == seat {
				part |= place.SetOf(p)
			}
		}
		return part, part != 0
	}
	l.Nth = nth
	t, err := l.solve(trace.Method{})
	if err != nil {
		return 0, true // not on the mat: nothing is known of turns
	}
	for i, turn := range l.turnsIn(t) {
		if turn == seat && t.Steps[i].At.Phase != trace.LayOut {
			return 0, true
		}
	}
	return 0, false
}
