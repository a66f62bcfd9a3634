// Package trial shows on simulated children how well a judgement does, beside the
// rules that one would think of first.
package trial

import (
	"fmt"
	"io"
	"math/rand/v2"
	"slices"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/task"
)

// A judge of the trial is told one answer after another and says how the child
// stands.
type judgeOf func(events []ladder.Event) []ladder.State

// rules are the ladder's own and the two that one would think of first.
var rules = []struct {
	name  string
	judge judgeOf
}{
	{"the ladder", byLadder},
	{"three in a row", naive(3, 3, 0)},
	{"eight of the last ten", naive(10, 8, 5)},
}

func byLadder(events []ladder.Event) []ladder.State {
	states := make([]ladder.State, len(events))
	fold := ladder.NewFold(ladder.Class{})
	for i, e := range events {
		fold.Take(e)
		states[i] = fold.Standing(e.Key).State
	}
	return states
}

// naive is secure where so many of the last few answers are right, and wobbling
// where no more than so few of them are.
func naive(few, secure, wobbling int) judgeOf {
	return func(events []ladder.Event) []ladder.State {
		states := make([]ladder.State, len(events))
		state := ladder.NotYet
		var recent []bool
		for i, e := range events {
			if e.Stage == own.Stage {
				recent = append(recent, e.Seen.Right())
				recent = recent[max(0, len(recent)-few):]
				state = naively(state, recent, few, secure, wobbling)
			}
			states[i] = state
		}
		return states
	}
}

func naively(state ladder.State, recent []bool, few, secure, wobbling int) ladder.State {
	right := 0
	for _, r := range recent {
		if r {
			right++
		}
	}
	switch {
	case right >= secure:
		return ladder.Secure
	case state == ladder.Secure && len(recent) == few && right <= wobbling:
		return ladder.Wobbling
	case state == ladder.NotYet:
		return ladder.UnderWay
	}
	return state
}

// The children of the trial work at one stage, and some of them further up as well.
var (
	own     = ladder.Key{Stage: choose.OneSwapOnes, Manner: book.Pieces}
	further = ladder.Key{Stage: choose.NewPlace, Manner: book.Pieces}
)

// perDay is how many problems a child works on a day, and most is how many of the
// answers are looked at.
const (
	perDay = 4
	most   = 20
)

// child is a simulated child of the trial.
type child struct {
	rng     *rand.Rand
	numbers map[ladder.Key]*choose.Space
	events  []ladder.Event
	answers int
	swapped bool // it has made the swap rightly, in a part of a problem
}

// work lets the child work one problem, right with a chance.
func (c *child) work(key ladder.Key, skill float64, help book.Help) {
	p := problem.Of(problem.Sum, c.draw(key)...)
	answer := p.Right()
	if c.rng.Float64() >= skill {
		answer = task.Answer{answer[0] + 1}
	}
	c.keep(key, p, 0, help, answer)
}

func (c *child) keep(key ladder.Key, p problem.Problem, part place.Set, help book.Help, answer task.Answer) {
	o := book.Observation{Task: p.Task(), Stage: key.Stage, Manner: key.Manner, Help: help, Answer: p.Write(answer), Came: book.Typed, Runs: 1, Day: book.Day(20_000 + c.answers/perDay), Part: part}
	c.events = append(c.events, ladder.Event{Key: key, Seen: o})
	c.answers++
}

// withoutSwap is how often a child is right in a place that has no swap, however well it
// swaps.
const withoutSwap = .97

// share lets the child work one place of a problem, as it is dealt: the ones, with the swap,
// until it has made it rightly, and from then on any place.
func (c *child) share(skill float64) {
	p := problem.Of(problem.Sum, c.draw(own)...)
	at := place.Ones
	if c.swapped && c.rng.IntN(2) == 0 {
		at, skill = place.Tens, withoutSwap
	}
	answer := p.Right()
	if c.rng.Float64() >= skill {
		answer = task.Answer{answer[0] + place.Number(at.Unit())}
	} else if at == place.Ones {
		c.swapped = true
	}
	c.keep(own, p, place.SetOf(at), book.Alone, answer)
}

func (c *child) draw(key ladder.Key) []place.Number {
	return c.numbers[key].Draw(1, c.rng.Uint64())[0]
}

func spaces() (map[ladder.Key]*choose.Space, error) {
	all := map[ladder.Key]*choose.Space{}
	for _, key := range []ladder.Key{own, further} {
		space, err := choose.Choice{Kind: problem.Sum, Stage: key.Stage, Digits: []int{2, 2}}.Space()
		if err != nil {
			return nil, err
		}
		all[key] = space
	}
	return all, nil
}

// Row is one line of the table: what was asked, what may be, and what each rule
// does, in the order of Rules.
type Row struct {
	Asked string
	Goal  float64
	Most  bool // the goal is an upper end; otherwise a lower one
	Share bool // shares of children; otherwise answers at the median
	Found []float64
}

// Holds tells whether the ladder's own rule reaches the goal.
func (r Row) Holds() bool {
	if r.Most {
		return r.Found[0] <= r.Goal
	}
	return r.Found[0] >= r.Goal
}

// Rules names the rules in the order of Row.Found.
func Rules() []string {
	names := make([]string, len(rules))
	for i, r := range rules {
		names[i] = r.name
	}
	return names
}

// scenario is children of one sort and what is measured of them.
type scenario struct {
	Row
	work    func(c *child)
	measure func(c *child, states []ladder.State) (value float64, counts bool)
}

func constant(skill float64) func(*child) {
	return func(c *child) {
		for range most {
			c.work(own, skill, book.Alone)
		}
	}
}

// inParts works its own places of problems that others work with it.
func inParts(skill float64) func(*child) {
	return func(c *child) {
		for range 2 * most {
			c.share(skill)
		}
	}
}

// partsStay is 93 of 100 in its parts for twice as long.
func partsStay(c *child) {
	for range 2 * most {
		c.share(.93)
	}
}

// halfNudged draws for each answer at random whether the child was nudged.
func halfNudged(skill float64) func(*child) {
	return func(c *child) {
		for range most {
			help := book.Alone
			if c.rng.IntN(2) == 0 {
				help = book.Nudged
			}
			c.work(own, skill, help)
		}
	}
}

// drops is right 93 times in 100 for so long, and from then on less.
func drops(to float64) func(*child) {
	return func(c *child) {
		for range most {
			c.work(own, .93, book.Alone)
		}
		for range most {
			c.work(own, to, book.Alone)
		}
	}
}

// skillAt is that of a learner who rises evenly over thirty answers.
func skillAt(answer int) float64 { return .30 + (.97-.30)*float64(answer)/29 }

func rises(c *child) {
	for i := range 30 {
		c.work(own, skillAt(i), book.Alone)
	}
}

// climbs works further up once for each own answer.
func climbs(c *child) {
	for range most {
		c.work(further, .93, book.Alone)
		c.work(own, .93, book.Alone)
	}
}

// ever is whether a state is called, of the first so many answers.
func ever(state ladder.State) func(*child, []ladder.State) (float64, bool) {
	return func(_ *child, states []ladder.State) (float64, bool) {
		if slices.Contains(states, state) {
			return 1, true
		}
		return 0, true
	}
}

// swapsUntilSecure counts the parts with the swap until the child is called secure.
func swapsUntilSecure(c *child, states []ladder.State) (float64, bool) {
	n := 0
	for i, e := range c.events {
		if e.Seen.Part.Has(place.Ones) {
			n++
		}
		if states[i] == ladder.Secure {
			return float64(n), true
		}
	}
	return most + 1, true
}

// ownUntilSecure counts the own answers until the child is called secure.
func ownUntilSecure(c *child, states []ladder.State) (float64, bool) {
	n := 0
	for i, e := range c.events {
		if e.Stage == own.Stage {
			n++
			if states[i] == ladder.Secure {
				return float64(n), true
			}
		}
	}
	return most + 1, true
}

// untilWobbling counts the answers from the drop on; of those alone who were secure
// then.
func untilWobbling(_ *child, states []ladder.State) (float64, bool) {
	if states[most-1] != ladder.Secure {
		return 0, false
	}
	at := slices.Index(states[most:], ladder.Wobbling)
	if at < 0 {
		return most + 1, true
	}
	return float64(at + 1), true
}

// wobblesThen tells whether a child who was secure is called wobbling within the
// next answers, though it stays as good as it was.
func wobblesThen(_ *child, states []ladder.State) (float64, bool) {
	if states[most-1] != ladder.Secure {
		return 0, false
	}
	return ever(ladder.Wobbling)(nil, states[most:])
}

// tooEarly tells whether a learner is called secure while under 80 %.
func tooEarly(_ *child, states []ladder.State) (float64, bool) {
	for i, s := range states {
		if s == ladder.Secure && skillAt(i) < .8 {
			return 1, true
		}
	}
	return 0, true
}

func scenarios() []scenario {
	share := func(asked string, goal float64, most bool) Row {
		return Row{Asked: asked, Goal: goal, Most: most, Share: true}
	}
	median := func(asked string, goal float64) Row { return Row{Asked: asked, Goal: goal, Most: true} }
	return []scenario{
		{share("right 45 in 100: ever secure within 20 answers", .02, true), constant(.45), ever(ladder.Secure)},
		{share("right 65 in 100: ever secure within 20 answers", .18, true), constant(.65), ever(ladder.Secure)},
		{share("right 93 in 100: secure within 20 answers", .95, false), constant(.93), ever(ladder.Secure)},
		{median("right 93 in 100: answers until secure", 8), constant(.93), ownUntilSecure},
		{median("from 93 to 45: answers until wobbling", 4), drops(.45), untilWobbling},
		{median("from 93 to 50: answers until wobbling", 4), drops(.50), untilWobbling},
		{share("stays at 93: called wobbling within 20 answers", .12, true), drops(.93), wobblesThen},
		{share("rises from 30 to 97 in 30 answers: secure under 80", .05, true), rises, tooEarly},
		{share("half nudged, right 45 in 100: ever secure", .02, true), halfNudged(.45), ever(ladder.Secure)},
		{share("half nudged, right 65 in 100: ever secure", .15, true), halfNudged(.65), ever(ladder.Secure)},
		{median("half nudged, right 93 in 100: answers until secure", 12), halfNudged(.93), ownUntilSecure},
		{median("one further up for each own, right 93: own until secure", 6), climbs, ownUntilSecure},
		{share("in parts, 45 in 100 with the swap: ever secure", .02, true), inParts(.45), ever(ladder.Secure)},
		{share("in parts, 65 in 100 with the swap: ever secure", .18, true), inParts(.65), ever(ladder.Secure)},
		{median("in parts, 93 in 100: parts with the swap until secure", 8), inParts(.93), swapsUntilSecure},
		{share("in parts, stays at 93: called wobbling", .12, true), partsStay, wobblesThen},
	}
}

// Ladder tries the rules on so many children of each sort. The same seed gives the
// same table.
func Ladder(children int, seed uint64) ([]Row, error) {
	numbers, err := spaces()
	if err != nil {
		return nil, err
	}
	var rows []Row
	for n, s := range scenarios() {
		values := make([][]float64, len(rules))
		for i := range children {
			c := &child{rng: rand.New(rand.NewPCG(seed+uint64(n), uint64(i))), numbers: numbers}
			s.work(c)
			for r, rule := range rules {
				if v, counts := s.measure(c, rule.judge(c.events)); counts {
					values[r] = append(values[r], v)
				}
			}
		}
		for _, v := range values {
			s.Found = append(s.Found, summed(v, s.Share))
		}
		rows = append(rows, s.Row)
	}
	return rows, nil
}

// summed is the share of children or the median of answers.
func summed(values []float64, share bool) float64 {
	if len(values) == 0 {
		return 0
	}
	if !share {
		slices.Sort(values)
		return values[(len(values)-1)/2]
	}
	sum := 0.0
	for _, v := range values {
		sum += v
	}
	return sum / float64(len(values))
}

// Print writes the table.
func Print(out io.Writer, rows []Row) error {
	line := fmt.Sprintf("%-57s %9s", "all alone, four a day, but where it says so", "wanted")
	for _, name := range Rules() {
		line += fmt.Sprintf("  %21s", name)
	}
	lines := line + "\n"
	for _, r := range rows {
		wanted := "at least "
		if r.Most {
			wanted = "at most "
		}
		lines += fmt.Sprintf("%-57s %s%s", r.Asked, pad(wanted+r.written(r.Goal), 14), "")
		for _, v := range r.Found {
			lines += fmt.Sprintf("  %19s", r.written(v))
		}
		lines += "\n"
	}
	_, err := io.WriteString(out, lines)
	return err
}

func pad(text string, to int) string { return fmt.Sprintf("%*s", to, text) }

func (r Row) written(v float64) string {
	if r.Share {
		return fmt.Sprintf("%.1f %%", 100*v)
	}
	return fmt.Sprintf("%.0f", v)
}
