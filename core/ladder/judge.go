package ladder

import (
	"errors"
	"fmt"
	"slices"
	"strings"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/place"
	"vineswap/core/slip"
	"vineswap/core/task"
)

// RuleVersion is the version of the rule by which standings are judged. It is
// raised with every change of the rule, of the slips and of how a fold is written, so
// that all that is kept is judged anew.
const RuleVersion = 6

// State is how a child stands at a stage.
type State string

// The states. A standing that is kept has one of the first five; the others depend
// on the day and on other stages.
const (
	NotYet   State = ""
	Shown    State = "shown"
	UnderWay State = "under-way"
	Secure   State = "secure"
	Wobbling State = "wobbling"

	CheckAgain State = "check-again" // secure, and not seen for a while
	Ready      State = "ready"       // what comes before is met
	Passed     State = "passed"      // never worked, and what builds on it is secure
)

// Beads are counted in eighths of a bead, the smallest part that is ever added.
type Beads int

// Bead is one whole bead.
const Bead Beads = 8

// Float is how many beads they are.
func (b Beads) Float() float64 { return float64(b) / float64(Bead) }

// The parameters of the rule, chosen by trial on simulated children; docs/judging.md
// has the trial.
const (
	half    = Bead / 2 // for a nudged right answer; and what is lent of an answer is half of it
	quarter = Bead / 4 // for one together, or right by default
	aside   = quarter  // at most, for a wrong one in places that are not about what the stage teaches; a right one there adds nothing

	wrongTakes = 3         // times what a right answer with that help gives
	floor      = -3 * Bead // no string falls below
	Full       = 7 * Bead  // what a string holds, and where it is secure
	wobblesAt  = 1 * Bead
	backAt     = 3 * Bead

	daysAlone = 2 // days with a right answer alone
	lastFew   = 6 // the own answers whose wrong ones are told
)

// weeksToCheck are the school weeks without a stage after which it is checked
// again: at first, after one check, and from then on.
var weeksToCheck = []int{4, 8, 16}

// weight is what a right answer adds.
func weight(o book.Observation) Beads {
	if o.Came == book.Default && o.Help != book.Shown {
		return quarter // nobody marked this child
	}
	switch o.Help {
	case book.Together:
		return quarter
	case book.Nudged:
		return half
	case book.Alone, book.Explains:
		return Bead
	}
	return 0
}

// answer is an own answer with what it comes to, worked out once for all that it
// bears on.
type answer struct {
	book.Observation
	key    string // of its task
	once   once
	right  bool
	weight Beads // what a right one with this help gives
	adds   Beads // what it adds where it is right
	takes  Beads // what it takes where it is wrong
	alone  bool  // the child did it by itself, and that was seen
	aside  bool  // it was worked in places that are not about what the stage teaches
}

func answerOf(key Key, o book.Observation) answer {
	a := answer{Observation: o, key: o.Task.Key(), right: o.Right(), weight: weight(o)}
	a.once = onceOf(a.key)
	if o.Part != 0 {
		a.once = onceOf(a.key + " " + o.Part.String())
		stage, known := StageByID(key.Stage)
		a.aside = known && !stage.About(o.Task, o.Part)
	}
	a.adds, a.takes = a.weight, wrongTakes*a.weight
	if a.aside {
		a.adds, a.takes = 0, wrongTakes*min(a.weight, aside)
	}
	a.alone = a.adds == Bead
	return a
}

// Overrule is a guide's own judgement, with its reason. It begins the record anew.
type Overrule struct {
	State  State
	Reason string
	Day    book.Day
}

// MostReason is how long a reason may be, in characters.
const MostReason = 400

// Errors of an overrule that cannot be kept.
var (
	ErrReason = errors.New("a judgement needs its reason")
	ErrLong   = fmt.Errorf("a reason has at most %d characters", MostReason)
	ErrState  = errors.New("a stage is judged under way, secure or wobbling")
	ErrStage  = errors.New("this stage is not worked in this way")
)

// Valid tells why an overrule of a stage in a manner cannot be kept.
func (o Overrule) Valid(key Key) error {
	s, known := StageByID(key.Stage)
	switch {
	case !known || !slices.Contains(s.Manners, key.Manner):
		return ErrStage
	case !slices.Contains([]State{UnderWay, Secure, Wobbling}, o.State):
		return fmt.Errorf("%w, not %q", ErrState, o.State)
	case strings.TrimSpace(o.Reason) == "":
		return ErrReason
	case len([]rune(o.Reason)) > MostReason:
		return ErrLong
	}
	return nil
}

// Key names a stage worked in a manner.
type Key struct {
	Stage  choose.StageID
	Manner book.Manner
}

// Event is one thing that bears on a standing: an observation or, where it is
// not nil, an overrule.
type Event struct {
	Key      // the stage that it counts for, and the manner
	Seen     book.Observation
	Overrule *Overrule
	Seq      int64 // its place in the order in which events were kept; 0 where that does not matter
}

// Day is the day on which it happened.
func (e Event) Day() book.Day {
	if e.Overrule != nil {
		return e.Overrule.Day
	}
	return e.Seen.Day
}

// Saw is the event of an observation.
func Saw(o book.Observation) Event {
	return Event{Key: Key{Credit(o.Task, o.Stage), o.Manner}, Seen: o}
}

// Judged is the event of a guide's own judgement.
func Judged(key Key, o Overrule) Event { return Event{Key: key, Overrule: &o} }

// Class is what of a class bears on judging.
type Class struct {
	Limit place.Number // how far its numbers go; 0 without a limit
	Weeks []book.Week  // in which it recorded something, in order
}

// between counts the school weeks between the weeks of two days, without both.
func (c Class) between(from, to book.Day) int {
	first, found := slices.BinarySearch(c.Weeks, from.Week())
	if found {
		first++
	}
	last, _ := slices.BinarySearch(c.Weeks, to.Week())
	return max(0, last-first)
}

// Try is an answer among those that are told.
type Try struct {
	Key    string // of its task
	Answer string
	Day    book.Day
}

// Task is the task that was answered; none of a kind that nobody knows.
func (t Try) Task() task.Task {
	of, _ := task.FromKey(t.Key)
	return of
}

// Standing is how a child stands at one stage in one manner, by the records alone
// and whatever the day, with all that the judgement rests on.
type Standing struct {
	State State
	Beads Beads
	Since book.Day // on which it became what it is
	Last  book.Day // on which anything was recorded of it last
	Near  book.Day // and on which an adult was with the child, and not with the whole class

	Tried    int          // own answers that count, since the record began or was begun anew
	Right    int          // of these, the right ones
	Alone    int          // of these, without any help
	Aside    int          // of these, those in places that are not about what the stage teaches
	InRow    int          // how many of the last were right alone, one after another
	Days     int          // on how many days alone
	AloneOn  book.Day     // and on which last
	Borrowed Beads        // what other work has added since then
	Missing  []task.Skill // what the stage asks for and was not seen alone
	Judged   State        // what the guide judged when the record was begun anew
	JudgedOn book.Day     // and when

	Recent   int         // how many of the last own answers are looked at
	Wrong    []Try       // the wrong ones of them, oldest first
	Slips    [][]slip.ID // the slips that explain most of these, two at least: each one, or two together
	Fits     int         // how many of them each explains
	Used     book.Day    // on which it was worked last, in itself or in work that uses it
	Checks   int         // how often it was checked again since it is secure
	Failed   int         // own answers since it was due that were not right alone
	Due      book.Day    // on which the first of these came; 0 for none
	Chosen   int         // which run by choice the last one was; 0 where none was chosen
	ChosenOn book.Day    // and when

	Explained bool // has explained it to another
}

// Standings are those of one child. Stages of which nothing was recorded are left
// out.
type Standings map[Key]Standing

// Judge folds all events of one child, in the order in which they happened, into
// how it stands.
func Judge(class Class, events []Event) Standings {
	f := NewFold(class)
	for _, e := range events {
		f.Take(e)
	}
	return f.Standings()
}

// anew lets the record begin.
func (l *lobe) anew() {
	stage, _ := StageByID(l.key.Stage)
	l.lacks = nil
	if stage.Asks != nil {
		l.lacks = stage.Asks(l.fold.class.Limit)
	}
	l.own, l.counted, l.lent = nil, nil, nil
}

func (l *lobe) overrule(o Overrule) {
	explained := l.Explained
	l.Standing = Standing{State: o.State, Since: o.Day, Last: max(l.Last, o.Day), Near: max(l.Near, o.Day), Used: o.Day, Judged: o.State, JudgedOn: o.Day, Explained: explained}
	l.anew()
	switch o.State {
	case Secure:
		l.Beads = Full
	case Wobbling:
		l.Beads = wobblesAt
	}
}

// asJudged tells whether the guide's judgement stands for days and kinds.
func (l *lobe) asJudged() bool { return l.Judged == Secure || l.Judged == Wobbling }

// turn forgets what counted on an earlier day.
func (l *lobe) turn(day book.Day) {
	if day != l.day {
		l.day = day
		l.counted, l.lent = nil, nil
	}
}

// see takes an own answer in, and tells whether it counts.
func (l *lobe) see(o answer) (counts bool) {
	if l.Last = max(l.Last, o.Day); !o.Whole && !o.Paper {
		l.Near = max(l.Near, o.Day)
	}
	if o.Chosen {
		l.Chosen, l.ChosenOn = o.Runs, o.Day
	}
	if o.weight == 0 { // shown: it says nothing of the child
		if l.State == NotYet {
			l.become(Shown, o.Day)
		}
		return false
	}
	l.turn(o.Day)
	if slices.Contains(l.counted, o.once) {
		return false
	}
	l.counted = append(l.counted, o.once)
	l.use(o, !o.aside)
	l.Tried++
	if o.aside {
		l.Aside++
	}
	if l.own = append(l.own, tryOf(o)); len(l.own) > lastFew {
		l.own = l.own[1:]
	}
	if lent, _ := l.lentBy(o.once); lent > 0 { // it counts once, and as its own
		l.Beads -= lent
		l.Borrowed -= lent
	}
	switch {
	case o.right && o.alone:
		l.InRow++
	case !o.right || !o.aside:
		l.InRow = 0
	}
	if o.right {
		l.add(o.adds)
		l.right(o)
	} else {
		l.add(-o.takes)
	}
	l.judgeOn(o.Day)
	return true
}

// right notes what a right answer shows.
func (l *lobe) right(o answer) {
	l.Right++
	l.Explained = l.Explained || o.Help == book.Explains
	if !o.alone {
		return
	}
	if l.Alone++; l.Alone == 1 || l.AloneOn != o.Day {
		l.Days++
	}
	l.AloneOn = o.Day
	shows := o.Shows()
	l.lacks = slices.DeleteFunc(slices.Clone(l.lacks), func(s task.Skill) bool { return slices.Contains(shows, s) })
}

// borrow takes in an answer that counts elsewhere and uses this.
func (l *lobe) borrow(o answer) {
	l.turn(o.Day)
	l.use(o, false)
	if !o.right || slices.Contains(l.counted, o.once) {
		return
	}
	if _, lent := l.lentBy(o.once); lent {
		return
	}
	had := l.Beads
	l.add(o.weight / 2)
	l.lent = append(l.lent, loan{o.once, l.Beads - had})
	l.Borrowed += l.Beads - had
	if l.State != NotYet && l.State != Shown {
		l.judgeOn(o.Day)
	}
}

// use notes that the stage was worked, in itself or in what uses it. Where it was
// due to be checked, only a right answer alone ends that.
func (l *lobe) use(o answer, own bool) {
	if l.State != Secure || !l.due(l.fold.class, o.Day) {
		l.Used = max(l.Used, o.Day)
		return
	}
	if o.right && o.alone {
		l.Used, l.Failed, l.Due = max(l.Used, o.Day), 0, 0
		l.Checks++
		return
	}
	if own {
		if l.Failed++; l.Failed == 1 {
			l.Due = o.Day
		}
	}
}

// due tells whether a secure standing is to be checked again on a day.
func (s Standing) due(class Class, day book.Day) bool {
	return class.between(s.Used, day) >= weeksToCheck[min(s.Checks, len(weeksToCheck)-1)]
}

func (l *lobe) add(b Beads) { l.Beads = min(Full, max(floor, l.Beads+b)) }

// judgeOn draws the conclusion from the string as it is.
func (l *lobe) judgeOn(day book.Day) {
	switch {
	case l.State == Secure && l.Beads <= wobblesAt:
		l.become(Wobbling, day)
	case l.State == Wobbling && l.Beads >= backAt:
		l.become(Secure, day)
	case l.State != Secure && l.State != Wobbling && l.enough():
		l.become(Secure, day)
	case l.State == NotYet || l.State == Shown:
		l.become(UnderWay, day)
	}
}

// enough: the string is full, on two days, with every kind of swap.
func (l *lobe) enough() bool {
	return l.Beads >= Full && l.Days >= daysAlone && len(l.lacks) == 0
}

func (l *lobe) become(s State, day book.Day) {
	l.State, l.Since = s, day
	if s == Secure {
		l.Used, l.Checks, l.Failed, l.Due = max(l.Used, day), 0, 0, 0
	}
}
