package demo

import (
	"cmp"
	"fmt"
	"math/rand/v2"
	"slices"
	"time"

	"github.com/google/uuid"

	"vineswap/core/book"
	"vineswap/core/chain"
	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/lesson"
	"vineswap/core/material"
	"vineswap/core/number"
	"vineswap/core/slip"
	"vineswap/core/task"
	"vineswap/pupil"
	"vineswap/store"
)

// seed makes the same eight weeks at every loading.
const seed = 20261125

// profile is what is particular about a child.
type profile struct {
	slip    slip.ID // begins to show in the last weeks, in work without material
	away    bool    // has had no lesson for more than three weeks
	repeats bool    // repeats what is secure by choice
	quick   bool
}

// child is a simulated child with what the guide knows of it.
type child struct {
	ladder.Child
	id, class uuid.UUID
	at        int // among the children of the class: the older, the further on
	pupil     pupil.Pupil
	profile   profile
	events    []ladder.Event
	worked    map[ladder.Key]int
	last      book.Day
	repeating bool
	runs      int
}

// keep takes in what was recorded. What the guide thinks of the child follows in the
// evening.
func (c *child) keep(o book.Observation) {
	e := ladder.Saw(o)
	c.events = append(c.events, e)
	c.worked[e.Key]++
	c.last = o.Day
}

// year is eight weeks of one class as they are made up.
type year struct {
	class    class
	rng      *rand.Rand
	days     []book.Day
	zone     *time.Location
	now      time.Time
	children []*child
	lead     uuid.UUID
	kind     material.Kind
	seen     []store.Observation
	judged   []store.Overrule // of the first day
	weeks    []book.Week
	lessons  []store.Lesson
}

// schoolDays are the weekdays of so many weeks that end today, and today.
func schoolDays(today book.Day, weeks int) []book.Day {
	var days []book.Day
	for d := today - book.Day(7*weeks) + 1; d <= today; d++ {
		if wd := d.Time().Weekday(); wd != time.Saturday && wd != time.Sunday || d == today {
			days = append(days, d)
		}
	}
	return days
}

// history makes up what was recorded in a class up to now.
func history(c class, learners []store.Learner, classID, lead uuid.UUID, now time.Time) *year {
	y := &year{class: c, rng: rand.New(rand.NewPCG(seed, uint64(len(learners)))), zone: now.Location(), now: now, lead: lead, kind: material.Beads}
	y.days = schoolDays(book.DayOf(now), weeksBack)
	for i, l := range learners {
		y.children = append(y.children, y.child(i, l, classID))
	}
	for n, day := range y.days {
		y.day(n, day)
		y.evening(day)
	}
	return y
}

// evening is when the guide looks at what was recorded on a day.
func (y *year) evening(day book.Day) {
	if week := day.Week(); !slices.Contains(y.weeks, week) {
		y.weeks = append(y.weeks, week)
	}
	for _, c := range y.children {
		c.Class = ladder.Class{Limit: y.class.reach.Limit(), Weeks: y.weeks}
		if c.last == day || c.Standings == nil {
			c.Standings = ladder.Judge(c.Class, c.events)
		}
	}
}

// older tells of a class that is past single digits and the snakes.
func (y *year) older() bool { return y.class.start[ladder.Joining] > 4 }

// knewTheFacts is the guide's own judgement on the first day of an older class.
func (y *year) knewTheFacts(c *child) {
	for _, stage := range []choose.StageID{choose.OverTen, choose.BackOverTen} {
		o := ladder.Overrule{State: ladder.Secure, Reason: "knew these facts by heart when the weeks began", Day: y.days[0]}
		key := ladder.Key{Stage: stage, Manner: book.Pieces}
		c.events = append(c.events, ladder.Judged(key, o))
		y.judged = append(y.judged, store.Overrule{Overrule: o, ID: id("judged", string(stage)+c.id.String()), ClassID: c.class, LearnerID: c.id, Stage: key.Stage, Manner: key.Manner, JudgedBy: y.lead})
	}
	c.Standings = ladder.Judge(c.Class, c.events)
}

func (y *year) child(i int, l store.Learner, class uuid.UUID) *child {
	c := &child{id: l.ID, class: class, at: i * 7 % len(y.class.learners), profile: y.class.profiles[l.Name]}
	c.Standings, c.worked, c.Told = ladder.Standings{}, map[ladder.Key]int{}, l.Told
	c.pupil = pupil.Pupil{Pace: .8 + y.rng.Float64()*.6, Careless: .01 + y.rng.Float64()*.03, Shows: .9}
	if c.profile.quick {
		c.pupil.Pace = 2
	}
	for _, k := range y.before(c) {
		c.pupil.Knew(k.Stage, k.Manner, 9)
	}
	if c.profile.slip != "" {
		c.pupil.Knew(whereItShows[c.profile.slip], withoutPieces(whereItShows[c.profile.slip]), 9)
	}
	c.Class.Limit = y.class.reach.Limit()
	if y.older() {
		y.knewTheFacts(c)
	}
	return c
}

// before is what a child knew when the eight weeks began: older children more.
func (y *year) before(c *child) []ladder.Key {
	var keys []ladder.Key
	for _, strand := range y.strands() {
		stages := ladder.Stages(strand)
		known := (y.class.start[strand]*len(y.class.learners) + y.class.spread*c.at) / len(y.class.learners)
		for i, stage := range stages[:min(len(stages), max(0, known))] {
			for m, manner := range stage.Manners {
				if y.past(stage.ID) || !stage.Within(y.class.reach.Limit()) {
					continue
				}
				if m+i <= known {
					keys = append(keys, ladder.Key{Stage: stage.ID, Manner: manner})
				}
			}
		}
	}
	return keys
}

// day is one morning: two or three lessons at the mat, and sheets for some.
func (y *year) day(n int, day book.Day) {
	fromEnd := len(y.days) - n
	here := []*child{}
	for _, c := range y.children {
		c.repeating = c.profile.repeats && fromEnd <= 6
		if c.profile.slip != "" && fromEnd <= slipsFrom {
			c.pupil.Slip = c.profile.slip
		}
		if !c.profile.away || fromEnd > 16 {
			here = append(here, c)
		}
	}
	minute := 0
	for range 2 + y.rng.IntN(2) {
		minute += y.lesson(here, day, minute)
	}
	for _, c := range here {
		switch {
		case c.profile.slip != "" && fromEnd > slipsFrom && fromEnd <= slipsFrom+10 && n%2 == 0:
			y.rows(c, errand{y.shows(c), book.Alone, false}, 4, day, minute) // was secure before
			minute++
		case n < 8 && (c.at+n)%2 == 0 || (c.at+n)%4 == 0 || c.profile.slip != "" && fromEnd <= 4 || c.repeating && fromEnd == 1:
			y.sheet(c, n, day, minute)
			minute++
		}
	}
}

// errand is what a child works next.
type errand struct {
	key    ladder.Key
	help   book.Help
	chosen bool
}

// next is the guide's choice for a child: what wobbles first, then what is under
// way, something new, or the same with less material.
func (y *year) next(c *child, day book.Day) errand {
	if k := y.secure(c); c.repeating && k.Stage != "" {
		return errand{k, book.Alone, true}
	}
	var open []ladder.NextStep
	for _, s := range y.steps(c, day) {
		switch s.Kind {
		case ladder.GoBack:
			if y.rng.IntN(3) > 0 {
				return y.task(c, ladder.Key{Stage: s.Stage, Manner: s.Manner})
			}
		case ladder.LookAgain:
			if y.rng.IntN(9) == 0 {
				return y.task(c, ladder.Key{Stage: s.Stage, Manner: s.Manner})
			}
		case ladder.GoOn, ladder.Begin:
			if s.Kind == ladder.Begin && y.past(s.Stage) {
				continue
			}
			open = append(open, s)
			if s.Kind == ladder.GoOn {
				open = append(open, s, s)
			}
		}
	}
	if less, has := y.lessMaterial(c); has && y.rng.IntN(5) < 2 {
		return y.task(c, less)
	}
	if len(open) > 0 {
		s := open[y.rng.IntN(len(open))]
		return y.task(c, ladder.Key{Stage: s.Stage, Manner: s.Manner})
	}
	return y.task(c, y.secure(c))
}

// strands are those that the class works in, in order.
func (y *year) strands() []ladder.Strand {
	return slices.DeleteFunc(ladder.Strands(), func(s ladder.Strand) bool { _, works := y.class.start[s]; return !works })
}

// steps are the next steps of a child in the strands of its class. What only the word of an
// adult leads to comes last.
func (y *year) steps(c *child, day book.Day) []ladder.NextStep {
	steps := slices.DeleteFunc(c.NextSteps(day), func(s ladder.NextStep) bool {
		_, works := y.class.start[ladder.StrandOf(s.Stage)]
		return !works
	})
	last := func(s ladder.NextStep) int {
		told := func(p ladder.Proof) bool { return p.Why != ladder.ByTold }
		if s.Kind == ladder.Begin && !slices.ContainsFunc(c.Proofs(s.Stage, day), told) {
			return 1
		}
		return 0
	}
	slices.SortStableFunc(steps, func(a, b ladder.NextStep) int { return cmp.Compare(last(a), last(b)) })
	return steps
}

// past tells of single digits, snakes and chains, which older children do not come back to.
func (y *year) past(stage choose.StageID) bool {
	if stage == chain.Stage {
		return y.older()
	}
	if ladder.StrandOf(stage) == ladder.Sharing {
		return false
	}
	return y.older() && stage.Least() == 1 && stage != choose.ThreeAddends || y.older() && stage == choose.BackOverTen
}

// task says with how much help a child works something: it is shown first.
func (y *year) task(c *child, k ladder.Key) errand {
	if k.Stage == "" {
		k = ladder.Key{Stage: y.class.usual, Manner: book.Pieces}
	}
	done := c.worked[k]
	if k.Manner != book.Pieces {
		done += 2
	}
	switch {
	case c.Standings[k].State == ladder.Secure && y.rng.IntN(12) == 0:
		return errand{k, book.Explains, false}
	case c.pupil.Knows(k.Stage, k.Manner) > .8 || done > 3:
		return errand{k, book.Alone, false}
	}
	return errand{k, []book.Help{book.Shown, book.Together, book.Nudged, book.Nudged}[min(done, 3)], false}
}

// secure is something that the child is secure in, worked last.
func (y *year) secure(c *child) ladder.Key {
	var best ladder.Key
	for _, k := range y.keys(c) {
		if c.Standings[k].State == ladder.Secure && !y.past(k.Stage) && (best.Stage == "" || c.Standings[k].Last > c.Standings[best].Last) {
			best = k
		}
	}
	return best
}

// keys are the stages and manners that a child has worked, in order.
func (y *year) keys(c *child) []ladder.Key {
	var keys []ladder.Key
	for _, strand := range y.strands() {
		for _, stage := range ladder.Stages(strand) {
			for _, m := range stage.Manners {
				if _, worked := c.Standings[ladder.Key{Stage: stage.ID, Manner: m}]; worked {
					keys = append(keys, ladder.Key{Stage: stage.ID, Manner: m})
				}
			}
		}
	}
	return keys
}

// lessMaterial is the next manner of the newest stage that is secure.
func (y *year) lessMaterial(c *child) (ladder.Key, bool) {
	keys := y.keys(c)
	slices.Reverse(keys)
	for _, k := range keys {
		stage, _ := ladder.StageByID(k.Stage)
		i := slices.Index(stage.Manners, k.Manner) + 1
		if c.Standings[k].State != ladder.Secure || i >= len(stage.Manners) || y.past(k.Stage) {
			continue
		}
		if next := (ladder.Key{Stage: k.Stage, Manner: stage.Manners[i]}); c.Standings[next].State == ladder.NotYet {
			return next, true
		}
	}
	return ladder.Key{}, false
}

// lesson is one presentation: the child who has waited longest, with others who
// are at the same stage. It returns how many minutes it took.
func (y *year) lesson(here []*child, day book.Day, minute int) int {
	waiting := slices.Clone(here)
	slices.SortStableFunc(waiting, func(a, b *child) int { return cmp.Compare(a.last, b.last) })
	first := waiting[y.rng.IntN(3)]
	what := y.next(first, day)
	group := []*child{first}
	for _, c := range waiting {
		if c != first && len(group) < 3 && !c.repeating {
			if t := y.next(c, day); t.key.Stage == what.key.Stage || t.help == book.Alone && what.help == book.Alone && c.Standings[what.key].State != ladder.NotYet {
				group = append(group, c)
			}
		}
	}
	digits := y.sheetDigits()
	var tasks []task.Task
	for range 2 + y.rng.IntN(2) {
		tasks = append(tasks, pupil.TaskFor(what.key, digits, y.rng))
		if digits < y.class.digits {
			digits++
		}
	}
	id := y.open(what.key, tasks, group, y.at(day, minute))
	for nth, p := range tasks {
		for _, c := range group {
			t := y.task(c, what.key)
			if c == first {
				t.help, t.chosen = what.help, what.chosen
				if nth > 0 && t.help == book.Shown && y.rng.IntN(3) > 0 {
					t.help = book.Together
				}
			}
			y.record(c, t, p, day, minute+4*nth, id, nth)
		}
	}
	return 15
}

// open keeps a lesson where the mat can show it.
func (y *year) open(k ladder.Key, tasks []task.Task, group []*child, at time.Time) uuid.NullUUID {
	var children []string
	for _, c := range group {
		children = append(children, c.id.String())
	}
	l, err := lesson.New(itemsOf(k.Stage, tasks), y.kind, children)
	if err != nil || k.Manner == book.Head {
		return uuid.NullUUID{}
	}
	l.Nth, l.Stand = len(tasks)-1, lesson.Ended
	kept := store.Lesson{Lesson: l, ID: id("lesson", fmt.Sprint(y.class.name, len(y.lessons))), ClassID: group[0].class, OpenedBy: y.lead, ChangedAt: at}
	y.lessons = append(y.lessons, kept)
	return uuid.NullUUID{UUID: kept.ID, Valid: true}
}

// sheet is practice without the guide: in the first weeks at what the child
// brought along, later at what comes next.
func (y *year) sheet(c *child, n int, day book.Day, minute int) {
	if known := y.before(c); n < 8 && len(known) > 0 {
		for i, k := range known {
			if i%4 == n/2%4 || c.Standings[k].Days < 2 && n > 3 {
				for range 2 {
					y.record(c, errand{k, book.Alone, false}, pupil.TaskFor(k, y.sheetDigits(), y.rng), day, minute, uuid.NullUUID{}, 0)
				}
			}
		}
		return
	}
	t := y.next(c, day)
	if c.pupil.Slip != "" {
		t = errand{y.shows(c), book.Alone, false}
	}
	if t.help == book.Shown || t.help == book.Together {
		t.help = book.Nudged
	}
	rows := 2 + y.rng.IntN(2)
	if c.pupil.Slip != "" {
		rows = 4
	}
	y.rows(c, t, rows, day, minute)
}

// rows are the problems of a sheet.
func (y *year) rows(c *child, t errand, n int, day book.Day, minute int) {
	for range n {
		y.record(c, t, pupil.TaskFor(t.key, y.sheetDigits(), y.rng), day, minute, uuid.NullUUID{}, 0)
	}
}

// slipsFrom is how many days before the last one a slip begins to show.
const slipsFrom = 9

// shows is where a child's slip comes to light: in the column of its stage.
func (y *year) shows(c *child) ladder.Key {
	stage := whereItShows[c.profile.slip]
	return ladder.Key{Stage: stage, Manner: withoutPieces(stage)}
}

// withoutPieces is the manner in which the slips of a stage come to light.
func withoutPieces(stage choose.StageID) book.Manner {
	if stage.Kind() == "" {
		return book.Head
	}
	return book.Column
}

// whereItShows is the stage in whose sheets a slip comes to light.
var whereItShows = map[slip.ID]choose.StageID{
	slip.DigitsReversed: number.WritingTeens, slip.TyForTeen: number.WritingTeens, slip.TenSaidTwice: number.CountingOn,
	"carries-wrong-digit": choose.OneSwapOnes, "drops-new-ten": choose.OneSwapOnes, "writes-both-digits": choose.OneSwapOnes, "smaller-from-larger": choose.TakeOneSwapTens,
}

// sheetDigits varies how long the numbers are, so that every place comes to swap.
func (y *year) sheetDigits() int { return 2 + y.rng.IntN(y.class.digits-1) }

var notes = []string{"hums while counting", "laid the bar before the ten was full", "wants the long sums", "explained it to the neighbour unasked", "needs the quiet table"}

func (y *year) record(c *child, t errand, work task.Task, day book.Day, minute int, lessonID uuid.NullUUID, nth int) {
	o := book.Observation{
		Task: work, Stage: t.key.Stage, Manner: t.key.Manner, Material: y.kind, Help: t.help, Chosen: t.chosen, Runs: 1, Day: day,
		Answer: c.pupil.Work(work, t.key.Stage, t.key.Manner, t.help, y.rng), Came: book.Typed,
	}
	if t.chosen {
		c.runs++
		o.Runs = 1 + c.runs/2
	}
	if o.Right() {
		o.Came = book.Marked
		if lessonID.Valid && y.rng.IntN(6) == 0 {
			o.Came = book.Default
		}
	}
	if t.key.Manner == book.Head {
		o.Way = book.Ways()[y.rng.IntN(len(book.Ways()))]
	}
	kept := store.Observation{Observation: o, ID: id("observation", fmt.Sprint(y.class.name, len(y.seen))), ClassID: c.class, LearnerID: c.id, LessonID: lessonID, Nth: nth, RecordedBy: y.lead, RecordedAt: y.at(day, minute)}
	if y.rng.IntN(60) == 0 {
		kept.Note = notes[y.rng.IntN(len(notes))]
	}
	if o.Came == book.Typed && o.Answer != "" && y.rng.IntN(25) == 0 { // mistyped, and mended
		first := kept
		first.ID, first.Answer = id("observation", "mistyped"+kept.ID.String()), o.Answer+"0"
		kept.Replaces = uuid.NullUUID{UUID: first.ID, Valid: true}
		y.seen = append(y.seen, first)
	}
	y.seen = append(y.seen, kept)
	c.keep(o)
}

// at is an instant of a school morning, not after now.
func (y *year) at(day book.Day, minute int) time.Time {
	yy, m, d := day.Time().Date()
	at := time.Date(yy, m, d, 8, 30+minute, 0, 0, y.zone)
	if at.After(y.now) {
		return y.now
	}
	return at
}

// unwritten is a lesson of the school day before the last of which nothing is
// recorded yet.
func (y *year) unwritten() store.Lesson {
	var children []string
	for _, c := range y.children[1:3] {
		children = append(children, c.id.String())
	}
	day := y.days[len(y.days)-2]
	work := pupil.TaskFor(ladder.Key{Stage: y.class.last, Manner: book.Pieces}, 2, y.rng)
	l, err := lesson.New(itemsOf(y.class.last, []task.Task{work}), y.kind, children)
	if err != nil {
		panic(err) // the mat takes every task of this stage
	}
	l.Stand = lesson.Ended
	return store.Lesson{Lesson: l, ID: id("lesson", y.class.name+"unwritten"), ClassID: y.children[0].class, OpenedBy: y.lead, ChangedAt: y.at(day, 200)}
}

// itemsOf are tasks that were chosen for a stage.
func itemsOf(stage choose.StageID, tasks []task.Task) []lesson.Item {
	items := make([]lesson.Item, len(tasks))
	for i, t := range tasks {
		items[i] = lesson.Item{Task: t, Stage: stage}
	}
	return items
}
