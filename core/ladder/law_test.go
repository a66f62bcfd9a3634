package ladder_test

import (
	"fmt"
	"math/rand/v2"
	"slices"
	"testing"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/diagnose"
	"vineswap/core/ladder"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/slip"
	"vineswap/core/swap"
	"vineswap/core/task"
	"vineswap/core/trace"
)

var pools = map[choose.StageID][]task.Task{}

// seeded is a made-up history of a child in some stages and manners: with every
// help, by default, the same task again, judgements of the guide, holidays.
func seeded(t testing.TB, seed uint64) (ladder.Class, []ladder.Event) {
	rng := rand.New(rand.NewPCG(seed, 77))
	stages := []choose.StageID{choose.OverTen, choose.NoSwap, choose.OneSwapOnes, choose.OneSwapHigher, choose.SwapMakesSwap, choose.NewPlace, choose.TakeOneSwapTens, choose.TakeSeveralSwaps}
	class := ladder.Class{Limit: choose.Ranges()[1+rng.IntN(4)].Limit()}
	skill := .4 + .6*rng.Float64()
	day := today - book.Day(200+rng.IntN(60))
	var events []ladder.Event
	for range 30 + rng.IntN(120) {
		if rng.IntN(5) == 0 {
			day += book.Day(1 + rng.IntN(3))
		}
		if rng.IntN(40) == 0 {
			day += book.Day(20 + rng.IntN(60))
		}
		if day > today {
			break
		}
		if n := len(class.Weeks); (n == 0 || class.Weeks[n-1] != day.Week()) && rng.IntN(8) > 0 {
			class.Weeks = append(class.Weeks, day.Week())
		}
		id := stages[rng.IntN(1+rng.IntN(len(stages)))]
		stage, _ := ladder.StageByID(id)
		manner := stage.Manners[rng.IntN(1+rng.IntN(len(stage.Manners)))]
		if rng.IntN(50) == 0 {
			o := ladder.Overrule{State: []ladder.State{ladder.UnderWay, ladder.Secure, ladder.Wobbling}[rng.IntN(3)], Reason: "seen", Day: day}
			events = append(events, ladder.Judged(ladder.Key{Stage: id, Manner: manner}, o))
			continue
		}
		events = append(events, ladder.Saw(made(t, rng, id, manner, day, skill)))
	}
	for w := today.Week() - 40; w <= today.Week(); w++ { // and the weeks since
		if len(class.Weeks) > 0 && w > class.Weeks[len(class.Weeks)-1] && rng.IntN(5) > 0 {
			class.Weeks = append(class.Weeks, w)
		}
	}
	return class, events
}

func made(t testing.TB, rng *rand.Rand, stage choose.StageID, manner book.Manner, day book.Day, skill float64) book.Observation {
	if pools[stage] == nil {
		pools[stage] = drawn(t, stage, 30)
	}
	nth := rng.IntN(1 + rng.IntN(30))
	o := book.Observation{Task: pools[stage][nth], Stage: stage, Manner: manner, Day: day, Came: book.Typed, Runs: 1}
	o.Help = []book.Help{book.Alone, book.Alone, book.Alone, book.Alone, book.Nudged, book.Together, book.Shown, book.Explains}[rng.IntN(8)]
	o.Answer = o.Task.Result()
	switch wrong := o.Task.Wrong(); {
	case rng.Float64() < skill:
		if rng.IntN(6) == 0 {
			o.Came = book.Default
		}
	case len(wrong) > 0 && rng.IntN(2) == 0:
		o.Answer = o.Task.Write(wrong[rng.IntN(1+rng.IntN(len(wrong)))].Answer) // the common ones most
	default:
		o.Answer = []string{"", "7", "1" + o.Answer}[rng.IntN(3)]
	}
	if parts := o.Task.Parts(); len(parts) > 0 && (nth+int(day))%4 == 0 && o.Came == book.Typed {
		o.Part = place.SetOf(parts[nth%len(parts)], parts[int(day)%len(parts)])
	}
	if rng.IntN(10) == 0 {
		o.Chosen, o.Runs = true, 1+rng.IntN(4)
	}
	return o
}

// The reference below is written from doc.go alone: it looks through all events
// again for each thing that is said.

// gives is what a right answer gives, in beads.
func gives(o book.Observation) float64 {
	switch {
	case o.Help == book.Shown:
		return 0
	case o.Came == book.Default || o.Help == book.Together:
		return .25
	case o.Help == book.Nudged:
		return .5
	}
	return 1
}

// work is a part of a problem.
type work struct {
	task string
	part place.Set
}

// swapped remembers what shows has found: the same tasks come again and again.
var swapped = map[work][]task.Skill{}

// shows are the swaps that a child made in its own places, by the steps of the work.
func shows(o book.Observation) []task.Skill {
	this := work{o.Task.Key(), o.Part}
	if known, found := swapped[this]; found {
		return known
	}
	swapped[this] = showsBySteps(o)
	return swapped[this]
}

func showsBySteps(o book.Observation) []task.Skill {
	p, _ := problem.From(o.Task)
	tr, err := swap.Solve(p)
	if err != nil {
		panic(err)
	}
	var skills []task.Skill
	for _, s := range tr.Steps {
		if s.At.Phase != trace.Work || o.Part != 0 && !o.Part.Has(s.At.Place) {
			continue
		}
		at := s.At.Place
		switch s.Kind {
		case swap.MakeSwap:
		case swap.SwapDown:
			at = s.To
		default:
			continue
		}
		skills = append(skills, problem.Swap(at))
		for _, c := range p.Columns() {
			if c.Place == at && c.Made {
				skills = append(skills, problem.Made(at))
			}
		}
	}
	return skills
}

// aside tells whether a part is not about what its stage teaches.
func aside(o book.Observation, stage choose.StageID) bool {
	p, _ := problem.From(o.Task)
	asks := stage.Asks(0)
	switch {
	case o.Part == 0:
		return false
	case stage == choose.NewPlace:
		return !o.Part.Has(place.HighestOf(p.Numbers))
	}
	return len(asks) > 0 && !slices.ContainsFunc(shows(o), func(s task.Skill) bool { return slices.Contains(asks, s) })
}

// uses tells whether an event lends to a key.
func uses(e ladder.Event, key ladder.Key) bool {
	var comesBefore func(id choose.StageID) bool
	comesBefore = func(id choose.StageID) bool {
		stage, _ := ladder.StageByID(id)
		return slices.ContainsFunc(stage.After, func(row []choose.StageID) bool {
			return slices.ContainsFunc(row, func(b choose.StageID) bool { return b == key.Stage || comesBefore(b) })
		})
	}
	less := slices.Index(book.Manners(), e.Manner) - slices.Index(book.Manners(), key.Manner)
	return e.Key != key && less >= 0 && (e.Stage == key.Stage || comesBefore(e.Stage))
}

// begun is where the record of a key begins, after the guide's last judgement.
func begun(events []ladder.Event, key ladder.Key) int {
	at := 0
	for i, e := range events {
		if e.Key == key && e.Overrule != nil {
			at = i + 1
		}
	}
	return at
}

// counts tells whether the i-th event counts at its own key: it says something, and
// the task did not count there already on the same day since the record began.
func counts(events []ladder.Event, i int) bool {
	e := events[i]
	if e.Overrule != nil || gives(e.Seen) == 0 {
		return false
	}
	for j := begun(events[:i], e.Key); j < i; j++ {
		if d := events[j]; d.Key == e.Key && d.Overrule == nil && gives(d.Seen) > 0 && d.Seen.Day == e.Seen.Day && d.Seen.Task.Key() == e.Seen.Task.Key() && d.Seen.Part == e.Seen.Part {
			return false
		}
	}
	return true
}

// reference is what one key comes to.
type reference struct {
	stage       choose.StageID
	state       ladder.State
	beads, lent float64
	since       book.Day
	own         []book.Observation // that count
	inRow       int
	days        map[book.Day]bool
	shown       map[task.Skill]bool
	last, used  book.Day
	lastAlone   book.Day
	checks      int
	failed      []book.Day
	judged      *ladder.Overrule
	anything    bool
	all         []ladder.Event
}

func refer(class ladder.Class, events []ladder.Event, key ladder.Key) reference {
	r := reference{stage: key.Stage, days: map[book.Day]bool{}, shown: map[task.Skill]bool{}, all: events}
	asks := key.Stage.Asks(class.Limit)
	from := begun(events, key)
	if from > 0 {
		r.judged = events[from-1].Overrule
		r.state, r.since, r.used = r.judged.State, r.judged.Day, r.judged.Day
		r.beads = map[ladder.State]float64{ladder.Secure: 7, ladder.Wobbling: 1}[r.state]
	}
	type worked struct {
		day  book.Day
		task string
		part place.Set
	}
	ownOn, lentOn := map[worked]bool{}, map[worked]float64{}
	for i, e := range events {
		switch {
		case e.Overrule != nil && e.Key == key:
			r.last, r.anything = max(r.last, e.Overrule.Day), true
		case e.Overrule != nil:
		case e.Key == key:
			r.last, r.anything = max(r.last, e.Seen.Day), true
		}
		if i < from || e.Overrule != nil {
			continue
		}
		o := e.Seen
		if e.Key == key && gives(o) == 0 && r.state == ladder.NotYet {
			r.state, r.since = ladder.Shown, o.Day
		}
		own := e.Key == key
		if !counts(events, i) || !own && !uses(e, key) {
			continue
		}
		this := worked{o.Day, o.Task.Key(), o.Part}
		beside := own && aside(o, key.Stage)
		due := r.state == ladder.Secure && unseen(class, r.used, o.Day) >= []int{4, 8, 16}[min(2, r.checks)]
		rightAlone := o.Right() && gives(o) == 1 && !aside(o, e.Key.Stage) // of what its own stage teaches
		switch {
		case !due:
			r.used = max(r.used, o.Day)
		case rightAlone:
			r.used, r.failed = max(r.used, o.Day), nil
			r.checks++
		case own && !beside:
			r.failed = append(r.failed, o.Day)
		}
		switch {
		case own:
			r.own = append(r.own, o)
			r.beads -= lentOn[this]
			r.lent -= lentOn[this]
			switch {
			case rightAlone:
				r.inRow++
			case !beside || !o.Right():
				r.inRow = 0
			}
			switch {
			case !o.Right() && beside:
				r.beads = max(-3, r.beads-3*min(.25, gives(o)))
			case !o.Right():
				r.beads = max(-3, r.beads-3*gives(o))
			case !beside:
				r.beads = max(-3, min(7, r.beads+gives(o)))
			}
			ownOn[this] = true
			if rightAlone {
				r.days[o.Day], r.lastAlone = true, max(r.lastAlone, o.Day)
				for _, s := range shows(o) {
					r.shown[s] = true
				}
			}
		case ownOn[this] || !o.Right():
			continue
		default:
			if _, again := lentOn[this]; again {
				continue
			}
			was := r.beads
			r.beads = min(7, r.beads+gives(o)/2)
			lentOn[this] = r.beads - was
			r.lent += r.beads - was
			if r.state == ladder.NotYet || r.state == ladder.Shown {
				continue
			}
		}
		all := !slices.ContainsFunc(asks, func(s task.Skill) bool { return !r.shown[s] })
		now := r.state
		switch {
		case r.state == ladder.Secure && r.beads <= 1:
			now = ladder.Wobbling
		case r.state == ladder.Wobbling && r.beads >= 3:
			now = ladder.Secure
		case r.state == ladder.Secure || r.state == ladder.Wobbling:
		case r.beads == 7 && len(r.days) >= 2 && all:
			now = ladder.Secure
		default:
			now = ladder.UnderWay
		}
		if now == ladder.Secure && r.state != ladder.Secure {
			r.used, r.checks, r.failed = max(r.used, o.Day), 0, nil
		}
		if now != r.state {
			r.state, r.since = now, o.Day
		}
	}
	return r
}

// unseen counts the school weeks between two days, without their own weeks.
func unseen(class ladder.Class, from, to book.Day) int {
	n := 0
	for _, w := range class.Weeks {
		if w > from.Week() && w < to.Week() {
			n++
		}
	}
	return n
}

// Every clause that is said of any child is what the records say: counts, days,
// beads, since when, last when, not seen for how long, which slip explains how many.
func TestEveryClauseIsInTheRecords(t *testing.T) {
	said := map[ladder.ClauseKind]int{}
	for seed := range uint64(1_000) {
		class, events := seeded(t, seed)
		child := ladder.Child{Class: class, Standings: ladder.Judge(class, events)}
		keys := map[ladder.Key]bool{}
		for _, e := range events {
			keys[e.Key] = true
		}
		for key := range child.Standings {
			if !keys[key] {
				t.Fatalf("seed %d: %v has a standing and no record", seed, key)
			}
		}
		for key := range keys {
			r := refer(class, events, key)
			lobe := child.Lobe(key, today)
			want := r.state
			if want == ladder.Secure && unseen(class, r.used, today) >= []int{4, 8, 16}[min(2, r.checks)] {
				want = ladder.CheckAgain
			}
			if lobe.InRow != r.inRow {
				t.Fatalf("seed %d, %v: %d in a row; the records say %d", seed, key, lobe.InRow, r.inRow)
			}
			if lobe.State != want || lobe.Since != r.since && want != ladder.NotYet || lobe.Last != r.last {
				t.Fatalf("seed %d, %v: %s since %v, last %v; the records say %s since %v, last %v", seed, key, lobe.State, lobe.Since, lobe.Last, want, r.since, r.last)
			}
			for _, c := range lobe.Reasons() {
				said[c.Kind]++
				if fault := r.faultOf(c, class); fault != "" {
					t.Fatalf("seed %d, %v, %s: %s: %+v", seed, key, lobe.State, fault, c)
				}
			}
		}
	}
	for _, kind := range []ladder.ClauseKind{
		ladder.ShownOn, ladder.ByGuide, ladder.BeadsHeld, ladder.BeadsBack, ladder.LentBeads, ladder.AsideToo, ladder.StillToSee, ladder.DaysToSee, ladder.RightAlone,
		ladder.WrongToo, ladder.CountedFrom, ladder.SecureSince, ladder.NotSeenFor, ladder.NotAloneYet, ladder.WrongLately, ladder.OneSlip,
	} {
		if said[kind] < 2 {
			t.Errorf("%s was said %d times", kind, said[kind])
		}
	}
}

// likely are the slips that the last 40 answers of a task's field make likely, of all stages
// and manners: looked for in the events anew.
func (r reference) likely(of task.Task) [][]slip.ID {
	var all []book.Observation
	for _, e := range r.all {
		if e.Overrule == nil && diagnose.Counts(e.Seen) && diagnose.FieldOf(e.Seen.Task) == diagnose.FieldOf(of) {
			all = append(all, e.Seen)
		}
	}
	return diagnose.Judge(all[max(0, len(all)-40):]).Likely()
}

// fits tells whether one of some slips gives an answer, or both together.
func fits(ids []slip.ID, o book.Observation) bool {
	p, _ := problem.From(o.Task)
	operation, numbers, _ := p.InColumns()
	given, _ := o.Task.Read(o.Answer)
	with := [][]slip.ID{ids}
	for _, id := range ids {
		with = append(with, []slip.ID{id})
	}
	return slices.ContainsFunc(with, func(some []slip.ID) bool {
		answer, ok := slip.New(some...).Answer(operation, numbers)
		return ok && len(given) == 1 && given[0] == place.Number(answer) && !o.Right()
	})
}

// faultOf tells what is wrong with a clause; empty for nothing.
func (r reference) faultOf(c ladder.Clause, class ladder.Class) string {
	rights, alone, recent := 0, 0, r.own[max(0, len(r.own)-6):]
	for _, o := range r.own {
		if o.Right() {
			rights++
			if gives(o) == 1 && !aside(o, r.stage) {
				alone++
			}
		}
	}
	var wrong []book.Observation
	for _, o := range recent {
		if !o.Right() {
			wrong = append(wrong, o)
		}
	}
	is := func(ok bool, what string, args ...any) string {
		if ok {
			return ""
		}
		return fmt.Sprintf("the records say "+what, args...)
	}
	needed := func(goal float64) int {
		n := 0
		for b := r.beads; b < goal; b++ {
			n++
		}
		return n
	}
	switch c.Kind {
	case ladder.ShownOn:
		return is(c.Day == r.last, "%v", r.last)
	case ladder.ByGuide, ladder.CountedFrom:
		return is(r.judged != nil && c.State == r.judged.State && c.Day == r.judged.Day && (len(r.own) == 0) == (c.Kind == ladder.ByGuide), "%+v and %d answers", r.judged, len(r.own))
	case ladder.BeadsHeld:
		return is(c.Beads.Float() == r.beads && c.More == needed(7), "%v, %d more", r.beads, needed(7))
	case ladder.BeadsBack:
		return is(c.Beads.Float() == r.beads && c.More == needed(3), "%v, %d more", r.beads, needed(3))
	case ladder.LentBeads:
		return is(c.Beads.Float() == r.lent, "%v", r.lent)
	case ladder.AsideToo:
		n := 0
		for _, o := range r.own {
			if aside(o, r.stage) {
				n++
			}
		}
		return is(c.N == n && c.Of == len(r.own), "%d of %d", n, len(r.own))
	case ladder.StillToSee:
		return is(!slices.ContainsFunc(c.Skill, func(s task.Skill) bool { return r.shown[s] }), "%v were seen", r.shown)
	case ladder.DaysToSee:
		return is(c.N == len(r.days), "%d days", len(r.days))
	case ladder.RightAlone:
		return is(c.N == alone && c.Days == len(r.days) && c.Day == r.lastAlone, "%d times on %d days, last %v", alone, len(r.days), r.lastAlone)
	case ladder.WrongToo:
		return is(c.N == len(r.own)-rights && c.Of == len(r.own), "%d of %d", len(r.own)-rights, len(r.own))
	case ladder.SecureSince:
		return is(c.Day == r.since, "%v", r.since)
	case ladder.NotSeenFor:
		until := today
		if len(r.failed) > 0 {
			until = r.failed[0]
		}
		return is(c.N == unseen(class, r.used, until) && c.Day == r.used, "%d weeks since %v", unseen(class, r.used, until), r.used)
	case ladder.NotAloneYet:
		return is(c.N == len(r.failed) && c.Day == r.failed[0], "%v", r.failed)
	case ladder.WrongLately:
		ok := c.N == len(wrong) && c.Of == len(recent) && len(c.Tries) == len(wrong)
		for i := range min(len(wrong), len(c.Tries)) {
			ok = ok && c.Tries[i].Key == wrong[i].Task.Key() && c.Tries[i].Answer == wrong[i].Answer && c.Tries[i].Day == wrong[i].Day
		}
		return is(ok, "%d of %d", len(wrong), len(recent))
	case ladder.OneSlip:
		most := 0
		for _, ids := range r.likely(wrong[0].Task) {
			n := 0
			for _, o := range wrong {
				if fits(ids, o) {
					n++
				}
			}
			most = max(most, n)
			if n == c.N != slices.ContainsFunc(c.Slips, func(said []slip.ID) bool { return slices.Equal(said, ids) }) {
				return fmt.Sprintf("%v explains %d", ids, n)
			}
		}
		return is(c.Of == len(wrong) && len(c.Slips) > 0 && c.N == most && c.N >= 2, "%d of %d", most, len(wrong))
	}
	return "nobody knows this clause"
}

// One lucky answer more or less is told apart from skill: see docs/judging.md for
// the trial at its full size.
func BenchmarkJudgeAYear(b *testing.B) {
	var events []ladder.Event
	for seed := range uint64(4) {
		_, more := seeded(b, seed)
		events = append(events, more...)
	}
	class := ladder.Class{Limit: 10_000, Weeks: weeks(40)}
	for b.Loop() {
		ladder.Judge(class, events)
	}
}
