package sheet

import (
	"errors"
	"fmt"
	"math/rand/v2"
	"slices"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/diagnose"
	"vineswap/core/ladder"
	"vineswap/core/number"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/slip"
	"vineswap/core/task"
)

// Item is a task of a sheet, with the stage that it was drawn for; none for a typed one.
type Item struct {
	Task  task.Task      `json:"task"`
	Stage choose.StageID `json:"stage,omitempty"`
}

// ItemOf is a task that was typed, with the stage that its numbers belong to.
func ItemOf(t task.Task) Item {
	if p, is := problem.From(t); is {
		return Item{t, choose.StageOf(p)}
	}
	if a, is := number.From(t); is {
		return Item{t, number.StageOf(a)}
	}
	return Item{Task: t}
}

// Own is the sheet of one child, or of all where it has no name.
type Own struct {
	Name  string
	Items []Item
}

// Stand is where a child stands for a kind of sheet: the stage that most of its tasks are of,
// and why.
type Stand struct {
	Stage choose.StageID
	State ladder.State // how the child stands there; NotYet where nothing is recorded
	Lobe  ladder.Lobe  // what that rests on
	Slips [][]slip.ID  // that explain what went wrong there: the numbers are to bring them out
	Parts []Part       // the tasks by their stages, those of Stage first
}

// Part is so many tasks of a stage.
type Part struct {
	Stage choose.StageID
	Count int
}

// StandOf finds where a child stands for a sheet on a day. A sheet is worked on paper without a
// guide, so its stage is one that the child has worked itself: first what wobbles, then what is
// under way without pieces, or is to be tried without them; then what was not seen on paper for
// a while, and what is under way with pieces; else the last that is secure. What was never
// worked comes onto no sheet, unless nothing of the kind was.
//
// Where there are tasks enough, two in three are of that stage. The others are of stages that
// it builds on: first what the child has to check again, then the nearest, and one without
// any swap, so that a child must look whether there is one.
func (s Spec) StandOf(c ladder.Child, today book.Day) Stand {
	stages := s.Stages(c.Class)
	if len(stages) == 0 {
		return Stand{}
	}
	if s.Stage != "" {
		st := s.at(c, s.Stage, today)
		st.Parts = []Part{{s.Stage, s.Count}}
		return st
	}
	st := s.at(c, s.stageFor(c, stages, today), today)
	st.Parts = s.parts(c, stages, st.Stage, today)
	return st
}

// Stages are the kind's stages of the strand that is asked for, within the numbers of a class.
func (s Spec) Stages(class ladder.Class) []choose.StageID {
	return slices.DeleteFunc(s.Kind.Stages(), func(id choose.StageID) bool {
		stage, known := ladder.StageByID(id)
		return !known || !s.in(id) || !stage.Within(class.Limit)
	})
}

// waits are the kinds of next step that a sheet can be for, the most pressing first.
var waits = []func(ladder.NextStep) bool{
	func(n ladder.NextStep) bool { return n.Lobe.State == ladder.Wobbling },
	func(n ladder.NextStep) bool {
		onPaper := n.Lobe.State == ladder.UnderWay && !n.Lobe.Manner.WithMaterial()
		return onPaper || n.Kind == ladder.Leave || n.Kind == ladder.Return
	},
	func(n ladder.NextStep) bool {
		return n.Lobe.State == ladder.CheckAgain && !n.Lobe.Manner.WithMaterial()
	},
	func(n ladder.NextStep) bool { return n.Lobe.State == ladder.UnderWay },
	func(n ladder.NextStep) bool { return n.Lobe.State == ladder.CheckAgain },
}

func (s Spec) stageFor(c ladder.Child, stages []choose.StageID, today book.Day) choose.StageID {
	found, least := choose.StageID(""), len(waits)
	for _, step := range c.NextSteps(today) {
		if !slices.Contains(stages, step.Stage) {
			continue
		}
		if at := slices.IndexFunc(waits, func(is func(ladder.NextStep) bool) bool { return is(step) }); at >= 0 && at < least {
			found, least = step.Stage, at
		}
	}
	if found != "" {
		return found
	}
	best, last := choose.StageID(""), book.Day(0)
	for key, standing := range c.Standings {
		at, before := slices.Index(stages, key.Stage), slices.Index(stages, best)
		if standing.State == ladder.Secure && at >= 0 && (best == "" || standing.Used > last || standing.Used == last && at > before) {
			best, last = key.Stage, standing.Used
		}
	}
	if best != "" {
		return best
	}
	return stages[0]
}

// at tells how a child stands at a stage.
func (s Spec) at(c ladder.Child, id choose.StageID, today book.Day) Stand {
	st := Stand{Stage: id}
	for _, leaf := range c.Vine(ladder.StrandOf(id), today) {
		if leaf.Stage != id {
			continue
		}
		if lobe, has := leaf.Least(); has {
			st.Lobe, st.State = lobe, lobe.State
		}
		for _, lobe := range leaf.Lobes {
			if len(lobe.Slips) > 0 && st.Slips == nil && (lobe.State == ladder.Wobbling || lobe.Fits >= slipFits) {
				st.Slips = lobe.Slips
			}
		}
	}
	return st
}

// slipFits is how many of the last wrong answers one slip explains where a sheet brings it out,
// as a lesson does.
const slipFits = 3

// fewestMixed is how many tasks a sheet has at least where they are of several stages.
const fewestMixed = 6

func (s Spec) parts(c ladder.Child, stages []choose.StageID, main choose.StageID, today book.Day) []Part {
	var before []choose.StageID
	for _, id := range slices.Backward(stages) {
		if id != main && ladder.StrandOf(id) == ladder.StrandOf(main) && ladder.BuildsOn(main, id) && s.worked(c, id, today) {
			before = append(before, id)
		}
	}
	if s.Count < fewestMixed || len(before) == 0 {
		return []Part{{main, s.Count}}
	}
	slices.SortStableFunc(before, func(a, b choose.StageID) int { return s.press(c, a, today) - s.press(c, b, today) })
	others := s.Count / 3
	plain := slices.IndexFunc(before, func(id choose.StageID) bool { return id == choose.NoSwap || id == choose.TakeNoSwap })
	parts := []Part{{main, s.Count - others}}
	if plain > 0 {
		return append(parts, Part{before[0], others - 1}, Part{before[plain], 1})
	}
	return append(parts, Part{before[0], others})
}

// worked tells whether a child works at a stage, or what builds on it.
func (s Spec) worked(c ladder.Child, id choose.StageID, today book.Day) bool {
	state := s.at(c, id, today).State
	return state != ladder.NotYet && state != ladder.Shown
}

// press is how much a stage presses to be worked again, the most first.
func (s Spec) press(c ladder.Child, id choose.StageID, today book.Day) int {
	switch s.at(c, id, today).State {
	case ladder.Wobbling:
		return 0
	case ladder.CheckAgain:
		return 1
	}
	return 2
}

// From is what tasks are drawn from.
type From struct {
	Range choose.Range
	Had   []task.Task // what is left out
	Slips [][]slip.ID // the numbers are to bring them out
}

// Draw draws the tasks of a sheet, easy ones first: the parts as they are asked for, mixed where
// there are several. What is left out comes again only where there is nothing else. The same
// seed draws the same.
func (s Spec) Draw(parts []Part, from From, seed uint64) ([]Item, error) {
	if s.Kind == Minute {
		return s.facts(seed), nil
	}
	var items []Item
	for i, part := range parts {
		drawn, err := s.some(part, from, seed+uint64(i))
		if err != nil {
			return nil, err
		}
		items = append(items, drawn...)
	}
	if len(items) == 0 {
		return nil, ErrNone
	}
	if len(parts) > 1 {
		first := items[0] // a sheet begins with what it is about
		rest := items[1:]
		rand.New(rand.NewPCG(seed, 2)).Shuffle(len(rest), func(i, j int) { rest[i], rest[j] = rest[j], rest[i] })
		items[0] = first
	}
	slices.SortStableFunc(items, func(a, b Item) int { return s.way(a) - s.way(b) })
	return items, nil
}

// way is in which of the kind's ways a number is asked: these stand together.
func (s Spec) way(item Item) int {
	a, is := number.From(item.Task)
	if !is {
		return 0
	}
	return slices.Index(s.Kind.rules().ways, [2]string{string(a.Shown), string(a.Answered)})
}

func (s Spec) some(part Part, from From, seed uint64) ([]Item, error) {
	draw := s.numbers
	if part.Stage.Kind() != "" {
		draw = s.problems
	}
	tasks, err := draw(part, from, seed)
	if err != nil {
		return nil, err
	}
	if missing := part.Count - len(tasks); missing > 0 && len(from.Had) > 0 {
		from.Had = tasks // but none twice on one sheet
		more, err := draw(Part{part.Stage, missing}, from, seed)
		if err != nil {
			return nil, err
		}
		tasks = append(tasks, more...)
	}
	items := make([]Item, len(tasks))
	for i, t := range tasks {
		items[i] = Item{t, part.Stage}
	}
	return items, nil
}

func (s Spec) problems(part Part, from From, seed uint64) ([]task.Task, error) {
	kind := part.Stage.Kind()
	c := choose.Choice{Kind: kind, Stage: part.Stage, Digits: part.Stage.Fit(nil)}
	if slices.Max(c.Digits) < s.Kind.rules().least {
		return nil, ErrStage
	}
	space, err := c.UpTo(from.Range).Space()
	if err != nil {
		return nil, err
	}
	var had [][]place.Number
	for _, t := range from.Had {
		if p, is := problem.From(t); is && p.Kind == kind {
			had = append(had, p.Numbers)
		}
	}
	more := part.Count
	if len(from.Slips) > 0 {
		more *= 3
	}
	var tasks []task.Task
	for _, numbers := range space.Except(had).Spread(more, seed) {
		tasks = append(tasks, problem.Of(kind, numbers...).Task())
	}
	return first(tasks, part.Count, from.Slips), nil
}

// first are the first tasks of some, those that show the slips before the others.
func first(tasks []task.Task, count int, slips [][]slip.ID) []task.Task {
	hides := func(t task.Task) int {
		if slices.ContainsFunc(slips, func(ids []slip.ID) bool { return diagnose.Shows(ids, t) }) {
			return 0
		}
		return 1
	}
	if len(slips) > 0 {
		slices.SortStableFunc(tasks, func(a, b task.Task) int { return hides(a) - hides(b) })
	}
	return tasks[:min(count, len(tasks))]
}

// numbers draws numbers that are asked, in each of the kind's ways as many as can be.
func (s Spec) numbers(part Part, from From, seed uint64) ([]task.Task, error) {
	spaces := s.Kind.rules().spaces(part.Stage, from.Range.Limit())
	var had []number.Asked
	for _, t := range from.Had {
		if a, is := number.From(t); is {
			had = append(had, a)
		}
	}
	var tasks []task.Task
	for i, space := range spaces {
		count := part.Count / len(spaces)
		if i < part.Count%len(spaces) {
			count++
		}
		for _, a := range space.Draw(count, seed+uint64(i), had) {
			a.Seed = uint32(seed)%1_000 + uint32(len(tasks)) // things lie otherwise on each sheet
			if a.Shown != number.Crowd {
				a.Seed = 0
			}
			if tasks, had = append(tasks, a.Task()), append(had, a); a.Valid() != nil {
				return nil, errors.Join(ErrTask, a.Valid())
			}
		}
	}
	return tasks, nil
}

// TryOut draws a task like another one: of its stage, with other numbers.
func (s Spec) TryOut(worked Item, r choose.Range) (Item, error) {
	stage := worked.Stage
	if p, is := problem.From(worked.Task); is && stage == "" {
		stage = choose.StageOf(p)
	}
	if stage == "" || s.Kind.Takes(worked.Task) != nil {
		return Item{}, fmt.Errorf("%w: %s; %s", ErrTask, worked.Task, s.Kind.rules().asks())
	}
	list, err := s.some(Part{stage, 1}, From{Range: r, Had: []task.Task{worked.Task}}, s.Seed)
	if err != nil || len(list) == 0 {
		return Item{}, errors.Join(ErrNone, err)
	}
	return list[0], nil
}
