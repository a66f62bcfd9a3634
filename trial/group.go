package trial

import (
	"fmt"
	"io"
	"math/rand/v2"
	"slices"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/group"
	"vineswap/core/ladder"
	"vineswap/core/place"
	"vineswap/pupil"
)

// What the trial of suggested lessons has: so many children, weeks, lessons a day and seats
// in each, tasks in a lesson, and pairs that are kept apart.
const (
	classSize = 24
	weeksLong = 8
	perDayMet = 2
	seatsEach = 4
	tasksEach = 4
	pairsKept = 3
	longGap   = 10 // school days
	firstDay  = book.Day(20_605)
)

// seated is who sits in a lesson, each at what.
type seated struct {
	kinds []group.Kind
	child []int // index in the class
}

// suggest is a rule that says who sits together on a day.
type suggest func(children []group.Child, apart []group.Pair, today book.Day) []seated

// suggestions are ours and the one that one would think of first: the stage at which most
// wobble or are ready.
var suggestions = []struct {
	name string
	rule suggest
}{{"by need and wait", byPlan}, {"where most are ready", byCount}}

func byPlan(children []group.Child, apart []group.Pair, today book.Day) []seated {
	var list []seated
	for _, m := range group.Meetings(children, group.Day{Today: today, Seats: seatsEach, Most: perDayMet, Apart: apart}) {
		var s seated
		for _, seat := range m.Seats {
			s.kinds, s.child = append(s.kinds, m.Kind), append(s.child, at(children, seat.ID))
		}
		list = append(list, s)
	}
	return list
}

// byCount is the rule without wait: again and again the stage with the most children who
// wobble or are ready there; who is to be looked at again sits at no other stage.
func byCount(children []group.Child, _ []group.Pair, today book.Day) []seated {
	looked := map[string]choose.StageID{}
	for _, p := range group.LookAgain(children, len(children), today) {
		looked[p.ID] = p.Stage
	}
	rest := slices.Clone(children)
	var list []seated
	for range perDayMet {
		var best []group.Child
		var bestStage choose.StageID
		most := 0
		for _, strand := range ladder.Strands() {
			for _, stage := range ladder.Stages(strand) {
				free := slices.DeleteFunc(slices.Clone(rest), func(c group.Child) bool {
					at, is := looked[c.ID]
					return is && at != stage.ID
				})
				who := group.ProposedAt(free, strand, seatsEach, nil, today)[stage.ID]
				presses := 0
				for _, c := range who {
					for _, leaf := range c.Vine(strand, today) {
						if leaf.Stage == stage.ID && (leaf.State == ladder.Wobbling || leaf.State == ladder.Ready) {
							presses++
						}
					}
				}
				if presses > most {
					best, bestStage, most = who, stage.ID, presses
				}
			}
		}
		if most == 0 {
			break
		}
		var s seated
		for _, c := range best {
			key := ladder.Key{Stage: bestStage, Manner: book.Pieces}
			for _, step := range c.NextSteps(today) {
				if step.Stage == bestStage {
					key.Manner = step.Manner
					break
				}
			}
			s.kinds, s.child = append(s.kinds, group.Kind{Key: key}), append(s.child, at(children, c.ID))
		}
		list = append(list, s)
		rest = slices.DeleteFunc(rest, func(c group.Child) bool {
			return slices.ContainsFunc(best, func(x group.Child) bool { return x.ID == c.ID })
		})
	}
	return list
}

func at(children []group.Child, id string) int {
	return slices.IndexFunc(children, func(c group.Child) bool { return c.ID == id })
}

// room is a class of simulated children.
type room struct {
	rng      *rand.Rand
	class    ladder.Class
	children []group.Child
	pupils   []pupil.Pupil
	folds    []*ladder.Fold
	digits   int
	apart    []group.Pair
}

// roomOf is a class whose numbers go so far; the older the child, the more it knew before.
func roomOf(limit place.Number, seed uint64) *room {
	r := &room{rng: rand.New(rand.NewPCG(seed, 18)), class: ladder.Class{Limit: limit}, digits: limit.Length() - 1}
	told, known := ladder.ReadsTens, 2 // the oldest know one of so many parts of each strand
	if limit > 1_000 {
		told, known = ladder.SwapsAlready, 1
	}
	for w := range book.Week(weeksLong) {
		r.class.Weeks = append(r.class.Weeks, firstDay.Week()+w)
	}
	for i := range classSize {
		r.children = append(r.children, group.Child{ID: fmt.Sprint("child-", i), Name: fmt.Sprint("Child ", i), Child: ladder.Child{Class: r.class, Standings: ladder.Standings{}, Told: told}})
		p := pupil.Pupil{Pace: .8 + r.rng.Float64()*.6, Careless: .01 + r.rng.Float64()*.03}
		for _, strand := range ladder.Strands() {
			stages := ladder.Stages(strand)
			for _, stage := range stages[:len(stages)*i/(known*classSize)] {
				p.Knew(stage.ID, book.Pieces, 9)
			}
		}
		r.pupils, r.folds = append(r.pupils, p), append(r.folds, ladder.NewFold(r.class))
	}
	for range pairsKept {
		a := r.rng.IntN(classSize)
		r.apart = append(r.apart, group.Pair{r.children[a].ID, r.children[(a+1+r.rng.IntN(classSize-1))%classSize].ID})
	}
	return r
}

// GroupResult is what one rule did to one class.
type GroupResult struct {
	Longest    int // school days of the longest wait of any child
	LongWaits  int // children who waited longGap or more
	EmptyDays  int // days without a suggestion
	Stages     int // stages that are truly known at the end, over all children
	Without    int // of these, those that are known without pieces
	Clashes    int // children seated beside one from whom they are kept apart
	SeatedMore int // children who sat at two lessons at once
	Lessons    int
	Seats      int // that were taken in them
}

// run lets a class live by a rule for all the weeks.
func (r *room) run(rule suggest) (g GroupResult) {
	waits := make([]int, classSize)
	longest := make([]int, classSize)
	for n := range weeksLong * 5 {
		day := firstDay + book.Day(n/5*7+n%5)
		now := make([]group.Child, classSize)
		for i, c := range r.children {
			now[i] = c
			now[i].Child = c.On(day)
		}
		met := rule(now, r.apart, day)
		if len(met) == 0 {
			g.EmptyDays++
		}
		had := make([]int, classSize)
		for _, m := range met {
			g.Lessons++
			g.Seats += len(m.child)
			for i, child := range m.child {
				had[child]++
				r.teach(child, m.kinds[i], day)
				for _, other := range m.child[:i] {
					pair := group.Pair{r.children[child].ID, r.children[other].ID}
					if slices.Contains(r.apart, pair) || slices.Contains(r.apart, group.Pair{pair[1], pair[0]}) {
						g.Clashes++
					}
				}
			}
		}
		for i, times := range had {
			waits[i]++
			if times > 0 {
				r.children[i].Standings = r.folds[i].Standings()
				waits[i] = 0
			}
			if times > 1 {
				g.SeatedMore++
			}
			longest[i] = max(longest[i], waits[i])
		}
	}
	for i, p := range r.pupils {
		g.Longest = max(g.Longest, longest[i])
		if longest[i] >= longGap {
			g.LongWaits++
		}
		for _, strand := range ladder.Strands() {
			for _, stage := range r.class.Stages(strand) {
				if slices.ContainsFunc(stage.Manners, func(m book.Manner) bool { return p.Knows(stage.ID, m) > .9 }) {
					g.Stages++
				}
				if slices.ContainsFunc(stage.Manners, func(m book.Manner) bool { return !m.WithMaterial() && p.Knows(stage.ID, m) > .9 }) {
					g.Without++
				}
			}
		}
	}
	return g
}

// teach gives a child some tasks in a lesson, with less help from one to the next; where
// material is left, one with pieces and one without, alone.
func (r *room) teach(i int, kind group.Kind, day book.Day) {
	key := kind.Key
	if kind.Leaving {
		r.work(i, ladder.Key{Stage: key.Stage, Manner: book.Pieces}, book.Alone, day)
		r.work(i, key, book.Alone, day)
		return
	}
	helps := []book.Help{book.Together, book.Nudged, book.Alone, book.Alone}
	switch known := r.pupils[i].Knows(key.Stage, key.Manner); {
	case r.children[i].Standings[key].State == ladder.NotYet && known < .8:
		helps = []book.Help{book.Shown, book.Together, book.Nudged, book.Alone}
	case known > .8:
		helps = []book.Help{book.Alone, book.Alone, book.Alone, book.Alone}
	}
	for _, help := range helps[:tasksEach] {
		r.work(i, key, help, day)
	}
}

func (r *room) work(i int, key ladder.Key, help book.Help, day book.Day) {
	given := pupil.TaskFor(key, r.digits, r.rng)
	o := book.Observation{Task: given, Stage: key.Stage, Manner: key.Manner, Help: help, Came: book.Typed, Runs: 1, Day: day, Answer: r.pupils[i].Work(given, key.Stage, key.Manner, help, r.rng)}
	r.folds[i].Take(ladder.Event{Key: key, Seen: o})
}

// GroupRow is what a rule did to some classes whose numbers go so far, in all.
type GroupRow struct {
	Limit place.Number
	Rule  string
	Rooms int
	GroupResult
}

// Grouped runs the trial of suggested lessons in so many seeded classes to each range: the
// results of both rules for the same children.
func Grouped(rooms int, seed uint64) []GroupRow {
	var rows []GroupRow
	for _, limit := range []place.Number{1_000, 10_000} {
		for _, s := range suggestions {
			row := GroupRow{Limit: limit, Rule: s.name, Rooms: rooms}
			for k := range rooms {
				g := roomOf(limit, seed+uint64(k)).run(s.rule)
				row.Longest = max(row.Longest, g.Longest)
				row.LongWaits += g.LongWaits
				row.EmptyDays += g.EmptyDays
				row.Stages += g.Stages
				row.Without += g.Without
				row.Clashes += g.Clashes
				row.SeatedMore += g.SeatedMore
				row.Lessons += g.Lessons
				row.Seats += g.Seats
			}
			rows = append(rows, row)
		}
	}
	return rows
}

// WriteGrouped prints the trial as a table.
func WriteGrouped(out io.Writer, rows []GroupRow) error {
	lines := fmt.Sprintf("%d classes of %d children for each line, %d weeks, %d lessons a day with %d seats\n\n", rows[0].Rooms, classSize, weeksLong, perDayMet, seatsEach)
	lines += fmt.Sprintf("%-10s %-22s %14s %16s %12s %14s %14s %15s %8s\n", "numbers to", "rule", "longest wait", "waited 10 days", "empty days", "in a lesson", "stages known", "without pieces", "clashes")
	for _, r := range rows {
		children, days := r.Rooms*classSize, r.Rooms*weeksLong*5
		lines += fmt.Sprintf("%-10d %-22s %9d days %14.1f %% %10.1f %% %14.1f %14.1f %15.1f %8d\n", r.Limit, r.Rule, r.Longest, 100*float64(r.LongWaits)/float64(children), 100*float64(r.EmptyDays)/float64(days), float64(r.Seats)/float64(max(1, r.Lessons)), float64(r.Stages)/float64(children), float64(r.Without)/float64(children), r.Clashes)
	}
	_, err := io.WriteString(out, lines)
	return err
}
