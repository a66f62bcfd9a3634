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

// State is how a child stands at a stage.
type State string

// The states, worst last where a leaf has several. A standing that is kept has
// one of the first five; the others depend on the day and on other stages.
const (
	NotYet   State = ""
	Shown    State = "shown"
	UnderWay State = "under-way"
	Secure   State = "secure"
	Wobbling State = "wobbling"

	CheckAgain State = "check-again" // secure, and not seen for a while
	Ready      State = "ready"       // what comes before is secure
	Passed     State = "passed"      // never worked, and what builds on it is
)

// Overrule is a guide's own judgement, with its reason. It starts the record
// anew: what was worked before is set aside, later work counts from there.
type Overrule struct {
	State  State
	Reason string
	Day    book.Day
}

// MostReason is how long a reason may be, in signs.
const MostReason = 400

// Errors of an overrule that cannot be kept.
var (
	ErrReason = errors.New("a judgement needs its reason")
	ErrLong   = fmt.Errorf("a reason has at most %d signs", MostReason)
	ErrState  = errors.New("a guide judges a stage under way, secure or wobbling")
	ErrStage  = errors.New("this stage is not worked in this manner")
)

// Valid tells why an overrule of a stage in a manner cannot be kept.
func (o Overrule) Valid(stage choose.StageID, manner book.Manner) error {
	s, known := StageByID(stage)
	switch {
	case !known || !slices.Contains(s.Manners, manner):
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

// Event is one thing that bears on a standing: an observation or, where it is
// not nil, an overrule.
type Event struct {
	book.Observation
	Overrule *Overrule
}

// Wrong is a wrong answer among the grounds of a judgement.
type Wrong struct {
	Task   task.Task
	Answer string
	Day    book.Day
}

// Grounds are what a judgement rests on.
type Grounds struct {
	Tried   int           // answers that count, since the record began or was begun anew
	Right   int           // of these, the right ones
	Alone   int           // of these, without any help
	Days    int           // on how many days alone
	Last    book.Day      // the last day on which something was seen
	Since   book.Day      // the day on which it became what it is
	Missing []place.Place // swaps that the stage asks for and that were not seen alone
	Wrong   []Wrong       // the wrong ones of the last few answers, oldest first
	Of      int           // how many answers those were among
	Slip    slip.ID       // what explains at least two of them
	ByGuide State         // what the guide judged, where nothing was worked since
	Chosen  int           // which run by choice the last work was; 0 where it was not chosen
}

// Standing is how a child stands at one stage in one manner, by the records
// alone and whatever the day.
type Standing struct {
	State     State
	Grounds   Grounds
	Explained bool // has explained it to another
}

// The first simple rule. Everything that decides stands here.
const (
	pointsToSecure = 12 // three answers alone, or two and help that weighs as much
	daysToSecure   = 2  // on which something was right alone
	lastFew        = 4  // the answers that are recent
	fewToWobble    = 3  // of these, the last that can turn wrong
	wrongToWobble  = 2
	rightToRecover = 2 // right answers in a row that end a wobble
)

// points says what a right answer weighs.
func points(o book.Observation) int {
	if o.Came == book.Default {
		return 1 // less than nudged: nobody marked this child
	}
	return map[book.Help]int{book.Together: 1, book.Nudged: 2, book.Alone: 4, book.Explains: 5}[o.Help]
}

// independent tells whether the child did it alone, and that was seen.
func independent(o book.Observation) bool { return points(o) >= 4 }

// telling tells whether a wrong answer would be the child's own.
func telling(o book.Observation) bool { return points(o) >= 2 }

// Judge folds the events of one stage in one manner, in the order in which they
// happened, into a standing.
func Judge(stage choose.StageID, events []Event) Standing {
	s, _ := StageByID(stage)
	j := judge{stage: s}
	for _, e := range events {
		if e.Overrule != nil {
			j.overrule(*e.Overrule)
		} else {
			j.see(e.Observation)
		}
	}
	return j.standing()
}

// judge is the state of the fold.
type judge struct {
	stage     Stage
	state     State
	since     book.Day
	last      book.Day
	run       []book.Observation // since the record began, was begun anew, or turned wrong
	recent    []book.Observation // the last few that tell something, also from before
	secured   bool               // was secure once
	explained bool
	byGuide   State
	chosen    int
}

func (j *judge) become(s State, day book.Day) {
	if j.state != s {
		j.state, j.since = s, day
	}
	j.secured = j.secured || s == Secure
}

func (j *judge) overrule(o Overrule) {
	j.run, j.recent, j.state = nil, nil, NotYet
	j.become(o.State, o.Day)
	j.byGuide = o.State
	j.last = max(j.last, o.Day)
}

func (j *judge) see(o book.Observation) {
	j.last = max(j.last, o.Day)
	j.chosen = 0
	if o.Chosen {
		j.chosen = o.Runs
	}
	if points(o) == 0 { // shown: no evidence of skill
		if j.state == NotYet {
			j.become(Shown, o.Day)
		}
		return
	}
	j.explained = j.explained || o.Help == book.Explains && o.Right()
	if o.Right() || telling(o) {
		j.run = append(j.run, o)
		j.recent = append(j.recent, o)
		j.recent = j.recent[max(0, len(j.recent)-lastFew):]
		j.byGuide = NotYet
	}
	j.judge(o.Day)
}

func (j *judge) judge(day book.Day) {
	switch {
	case j.turnsWrong():
		j.become(Wobbling, day)
		j.run = nil
	case j.enough():
		j.become(Secure, day)
	case j.state == Wobbling && !j.recovers(), j.state == Secure:
	default:
		j.become(UnderWay, day)
	}
}

// wrongOf returns the wrong ones among observations.
func wrongOf(list []book.Observation) []book.Observation {
	var wrong []book.Observation
	for _, o := range list {
		if !o.Right() {
			wrong = append(wrong, o)
		}
	}
	return wrong
}

// turnsWrong: most of the last answers are wrong, the last one too, and it was
// right before, or one slip explains them.
func (j *judge) turnsWrong() bool {
	few := j.recent[max(0, len(j.recent)-fewToWobble):]
	wrong := wrongOf(few)
	if len(wrong) < wrongToWobble || few[len(few)-1].Right() {
		return false
	}
	return j.secured || j.slip() != ""
}

// slip is the slip that explains most of the recent wrong answers, two at least.
func (j *judge) slip() slip.ID {
	counts := map[slip.ID]int{}
	var best slip.ID
	for _, o := range wrongOf(j.recent) {
		for _, id := range o.Task.Explains(o.Answer) {
			if counts[id]++; counts[id] >= 2 && counts[id] > counts[best] {
				best = id
			}
		}
	}
	return best
}

func (j *judge) recovers() bool {
	if len(j.recent) < rightToRecover {
		return false
	}
	return len(wrongOf(j.recent[len(j.recent)-rightToRecover:])) == 0
}

// enough: independent success on more than one day, with every kind of swap,
// and at most one of the last few answers wrong, not the last.
func (j *judge) enough() bool {
	g := j.grounds()
	sum := 0
	for _, o := range j.run {
		if o.Right() {
			sum += points(o)
		}
	}
	few := j.run[max(0, len(j.run)-lastFew):]
	return sum >= pointsToSecure && g.Days >= daysToSecure && len(g.Missing) == 0 && len(wrongOf(few)) <= 1 && few[len(few)-1].Right()
}

func (j *judge) grounds() Grounds {
	g := Grounds{Tried: len(j.run), Last: j.last, Since: j.since, Missing: slices.Clone(j.stage.Kinds), ByGuide: j.byGuide, Chosen: j.chosen}
	days := map[book.Day]bool{}
	for _, o := range j.run {
		if !o.Right() {
			continue
		}
		g.Right++
		if independent(o) {
			g.Alone++
			days[o.Day] = true
			shown := kinds(o.Task, j.stage.ID)
			g.Missing = slices.DeleteFunc(g.Missing, func(p place.Place) bool { return slices.Contains(shown, p) })
		}
	}
	g.Days = len(days)
	for _, o := range wrongOf(j.recent) {
		g.Wrong = append(g.Wrong, Wrong{o.Task, o.Answer, o.Day})
	}
	g.Of, g.Slip = len(j.recent), j.slip()
	return g
}

func (j *judge) standing() Standing {
	return Standing{State: j.state, Grounds: j.grounds(), Explained: j.explained}
}
