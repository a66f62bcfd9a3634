// Package lesson is a lesson in hand: which tasks, with which material and
// children, and how far it has come.
package lesson

import (
	"cmp"
	"errors"
	"fmt"
	"slices"

	"vineswap/core/beads"
	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/material"
	"vineswap/core/number"
	"vineswap/core/opener"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/say"
	"vineswap/core/swap"
	"vineswap/core/task"
	"vineswap/core/trace"
)

// Stand is how far a lesson has come.
type Stand string

// The stands of a lesson, in order. An ended lesson changes no more.
const (
	Gathering Stand = "gathering"
	OnTheMat  Stand = "mat"
	Ended     Stand = "ended"
	Away      Stand = "away" // put away: nobody looks for it any more
)

// MostChildren is how many children a presentation is for; none is a rehearsal.
const MostChildren = 4

// MostTasks is how many tasks a lesson has room for.
const MostTasks = 24

// Child is a learner who sits at the mat.
type Child struct{ ID, Name string }

// Item is a task of a lesson with the stage for which it was chosen; none where it
// was typed by hand.
type Item struct {
	Task   task.Task
	Stage  choose.StageID
	Manner book.Manner           // in which it is to be worked; empty for as the material says
	Turns  []int                 // whose each place is, by the place: the seat of the child, -1 of one who is gone; nil where it is not dealt
	Saw    map[place.Place]Sight // how the mat saw each place worked
	Flash  *opener.Flash         // for how long it is shown to a whole class; nil where it stays
}

// Items are problems that were chosen for a stage.
func Items(stage choose.StageID, problems ...problem.Problem) []Item {
	items := make([]Item, len(problems))
	for i, p := range problems {
		items[i] = Item{Task: p.Task(), Stage: stage}
	}
	return items
}

// Lesson is a row of tasks presented to some children. They may be of several
// kinds.
type Lesson struct {
	Items    []Item
	Nth      int // which of them is in hand
	Material material.Kind
	Children []string // ids, in the order in which they take turns
	Whole    bool     // it is for the whole class, each child with a slate
	Round    Round    // of the task in hand, where it is for the whole class
	Stand    Stand
	At       trace.Position // the step that the mat shows
}

// Errors of a lesson that cannot be opened or changed.
var (
	ErrEnded    = errors.New("this lesson has ended")
	ErrChildren = fmt.Errorf("a presentation is for at most %d children", MostChildren)
	ErrTwice    = errors.New("a child can sit at the mat only once")
	ErrTask     = errors.New("the lesson has no such task")
	ErrFull     = fmt.Errorf("a lesson has at most %d tasks", MostTasks)
	ErrNoMore   = errors.New("there is no other task like it")
	ErrNothing  = errors.New("a lesson needs a task")
	ErrStand    = errors.New("a lesson is being gathered, on the mat or ended")
	ErrNoMat    = errors.New("this kind of task is not shown on the mat yet")
)

// New opens a lesson on tasks, ready to gather.
func New(items []Item, kind material.Kind, children []string) (Lesson, error) {
	if len(items) == 0 {
		return Lesson{}, ErrNothing
	}
	if len(items) > MostTasks {
		return Lesson{}, ErrFull
	}
	for _, item := range items {
		if err := item.Task.Valid(); err != nil {
			return Lesson{}, err
		}
		if item.Flash != nil {
			if err := item.Flash.Valid(); err != nil {
				return Lesson{}, err
			}
		}
		if item.Manner != "" && !slices.Contains(book.Manners(), item.Manner) {
			return Lesson{}, fmt.Errorf("%w: %q", book.ErrManner, item.Manner)
		}
	}
	l := Lesson{Items: items, Material: kind, Stand: Gathering, At: trace.Position{Phase: trace.Before}}
	return l.With(Change{Children: children})
}

// ForAll opens a lesson for a whole class, which looks at its first task at once.
func ForAll(items []Item, kind material.Kind, children []string) (Lesson, error) {
	l, err := New(items, kind, nil)
	if err != nil {
		return l, err
	}
	whole, stand := true, OnTheMat
	return l.With(Change{Whole: &whole, Children: children, Stand: &stand})
}

// Change is what can change in a lesson; what is nil stays.
type Change struct {
	Children []string
	Material *material.Kind
	Stand    *Stand
	At       *trace.Position
	Method   trace.Method // the class's, by which At is found
	Nth      *int         // which of the tasks is taken in hand, from its beginning
	Add      *Item        // one more task, taken in hand
	Saw      []Sighting   // how steps of the task in hand were done
	Whole    *bool        // it is for the whole class, or no more
	Pace     *Pace        // what the class does
	Shown    *int         // how often the flash was shown
}

// With returns the lesson with a change made. Nothing is changed when an error
// is returned.
func (l Lesson) With(c Change) (Lesson, error) {
	if l.Stand == Ended {
		return l, ErrEnded
	}
	next := l
	if c.Whole != nil && *c.Whole != l.Whole {
		next.Whole, next.Round = *c.Whole, Round{}
		if next.Whole {
			next.Round.Pace = LookAt
		}
	}
	if c.Children != nil {
		if err := seated(c.Children, next.Whole); err != nil {
			return l, err
		}
		next.reseated(c.Children)
		next.Children = slices.Clone(c.Children)
	}
	if c.Material != nil {
		next.take(*c.Material)
	}
	next.see(c.Saw)
	if c.Stand != nil {
		if !slices.Contains([]Stand{Gathering, OnTheMat, Ended, Away}, *c.Stand) {
			return l, fmt.Errorf("%w, not %q", ErrStand, *c.Stand)
		}
		next.Stand = *c.Stand
	}
	if err := next.turnTo(c); err != nil {
		return l, err
	}
	if c.Pace == nil && c.Shown == nil {
		return next, nil
	}
	if !next.Whole {
		return l, ErrSlates
	}
	var err error
	if next.Round, err = next.Round.change(c, next.Current().Flash); err != nil {
		return l, err
	}
	return next, nil
}

// take takes a material in hand. A task that was to be drawn, or not, is so no more.
func (l *Lesson) take(kind material.Kind) {
	l.Material = kind
	if item := l.Current(); item.Manner != "" && (item.Manner == book.Drawn) != kind.Drawn() {
		l.Items = slices.Clone(l.Items)
		l.Items[l.Nth].Manner = ""
	}
}

// InHand is the material with which a task is worked: a task that is to be drawn is drawn.
func (l Lesson) InHand(nth int) material.Kind {
	switch manner := l.Items[nth].Manner; {
	case manner == book.Drawn && drawable(l.Items[nth].Task):
		return material.Drawings
	case manner.WithMaterial() && l.Material.Drawn():
		return material.Kinds()[0]
	}
	return l.Material
}

// drawable tells whether the material of a task can be chosen: that of a number that is asked
// alone is as it is shown, and bars of beads are what they are.
func drawable(t task.Task) bool {
	_, is := problem.From(t)
	return is
}

// turnTo takes a task in hand, and a step of it.
func (l *Lesson) turnTo(c Change) error {
	if c.Add != nil {
		if err := l.add(*c.Add); err != nil {
			return err
		}
		last := len(l.Items) - 1
		c.Nth = &last
	}
	if c.Nth != nil {
		if *c.Nth < 0 || *c.Nth >= len(l.Items) {
			return fmt.Errorf("%w: %d", ErrTask, *c.Nth)
		}
		l.Nth, l.At, l.Stand = *c.Nth, trace.Position{Phase: trace.Before}, OnTheMat
		if l.Whole {
			l.Round = Round{Pace: LookAt}
		}
	}
	if c.At == nil {
		return nil
	}
	tr, err := l.solve(c.Method)
	if err != nil {
		return err
	}
	l.At = tr.Steps[tr.Find(*c.At)].At
	return nil
}

// solve works the task in hand; ErrNoMat where its kind has no trace.
func (l Lesson) solve(m trace.Method) (trace.Trace, error) {
	t, err := trace.Of(l.Current().Task, m)
	if errors.Is(err, trace.ErrNoTrace) {
		return t, ErrNoMat
	}
	return t, err
}

func (l *Lesson) add(item Item) error {
	if len(l.Items) >= MostTasks {
		return ErrFull
	}
	if err := item.Task.Valid(); err != nil {
		return err
	}
	l.Items = append(slices.Clone(l.Items), item)
	return nil
}

// Another draws one more task like the one in hand: of its stage, with numbers of its
// lengths, and none that the lesson has already; where there is one, one that shows what a
// child of the lesson lacks, the child who holds the fewest beads first. It returns which
// wish that was. ErrNoMore where there is none.
func (l Lesson) Another(seed uint64, lacks []Lack) (item Item, of Wish, err error) {
	like := l.Current()
	stage := ladder.Credit(like.Task, like.Stage)
	if a, is := number.From(like.Task); is {
		item, err = l.anotherNumber(a, stage, seed)
		item.Manner = like.Manner
		return item, Wish{}, err
	}
	if beads.Has(stage) || beads.OfRods(like.Task) {
		item, err = l.anotherOfBeads(like, stage, seed)
		return item, Wish{}, err
	}
	p, is := problem.From(like.Task)
	if !is {
		return Item{}, Wish{}, ErrNoMore
	}
	choice := choose.Choice{Kind: p.Kind, Stage: stage, Laid: material.CanLayOut(p.Reach())}
	numbers := p.Numbers
	if p.Kind == problem.Sharing || p.Kind == problem.Trays { // by as many as before
		numbers, choice.By = numbers[:1], int(numbers[1])
	}
	for _, n := range numbers {
		choice.Digits = append(choice.Digits, n.Length())
	}
	other, of, err := drawn(l.worked(p.Kind), lacks, seed, func(of Wish) (choose.Choice, bool) { return of.into(choice) })
	if err != nil {
		return Item{}, Wish{}, err
	}
	return Item{Task: problem.Of(p.Kind, other...).Task(), Stage: stage, Manner: like.Manner}, of, nil
}

// drawn draws numbers that were not had: some that show what a child lacks, where there are
// such, and which wish that was. The choice is made for each wish, where it can be. ErrNoMore
// where there are none at all.
func drawn(had [][]place.Number, lacks []Lack, seed uint64, choice func(Wish) (choose.Choice, bool)) ([]place.Number, Wish, error) {
	list, wish, err := drawnSome(1, had, lacks, seed, choice)
	if err != nil {
		return nil, wish, err
	}
	return list[0], wish, nil
}

// drawnSome draws so many at most.
func drawnSome(n int, had [][]place.Number, lacks []Lack, seed uint64, choice func(Wish) (choose.Choice, bool)) ([][]place.Number, Wish, error) {
	var wrong error
	for _, wish := range append(wishesOf(lacks), Wish{}) {
		asked, can := choice(wish)
		if !can {
			continue
		}
		space, err := asked.Space()
		if err != nil {
			wrong = err
			continue
		}
		if list := space.Except(had).Draw(n, seed); len(list) > 0 {
			return list, wish, nil
		}
	}
	return nil, Wish{}, errors.Join(ErrNoMore, wrong)
}

// Wish is a skill that a child of a lesson lacks. The zero value is nobody's.
type Wish struct {
	Skill task.Skill
	Seat  int // of the child
}

// wishesOf lists what children lack, of the child with the fewest beads first.
func wishesOf(lacks []Lack) []Wish {
	seats := make([]int, len(lacks))
	for i := range seats {
		seats[i] = i
	}
	slices.SortStableFunc(seats, func(a, b int) int { return cmp.Compare(lacks[a].Beads, lacks[b].Beads) })
	var list []Wish
	for _, seat := range seats {
		for _, s := range lacks[seat].Skills {
			list = append(list, Wish{s, seat})
		}
	}
	return list
}

// at is the place of the skill, and whether it is a swap that only another one causes; false
// for nobody's wish.
func (w Wish) at() (p place.Place, made, is bool) {
	for _, p := range place.All() {
		if w.Skill == problem.Swap(p) || w.Skill == problem.Made(p) {
			return p, w.Skill == problem.Made(p), true
		}
	}
	return 0, false, false
}

// into asks a choice for the skill; false where numbers of its lengths have no such place.
// Nobody's wish asks for nothing.
func (w Wish) into(c choose.Choice) (choose.Choice, bool) {
	p, made, is := w.at()
	switch {
	case !is:
		return c, w.Skill == ""
	case p > c.Top():
		return c, false
	case made:
		c.Made[p] = choose.Yes
	default:
		c.Swap[p] = choose.Yes
	}
	return c, true
}

// anotherNumber draws another number of the stage, shown and answered like this one.
func (l Lesson) anotherNumber(like number.Asked, stage choose.StageID, seed uint64) (Item, error) {
	c, err := number.Choice{Stage: stage, Digits: []int{like.Number.Length()}, Shown: []number.Shown{like.Shown}, Answered: []number.Answered{like.Answered}}.Fitted(0)
	if err != nil {
		return Item{}, fmt.Errorf("%w: %w", ErrNoMore, err)
	}
	var had []number.Asked
	for _, item := range l.Items {
		if a, of := number.From(item.Task); of {
			had = append(had, a)
		}
	}
	for _, a := range c.Space().Draw(1, seed, had) {
		return Item{Task: a.Task(), Stage: stage}, nil
	}
	return Item{}, ErrNoMore
}

// anotherOfBeads draws another task of a stage that is worked with bars of beads.
func (l Lesson) anotherOfBeads(like Item, stage choose.StageID, seed uint64) (Item, error) {
	var had []task.Task
	for _, item := range l.Items {
		had = append(had, item.Task)
	}
	for _, t := range beads.Like(like.Task, stage, had, 1, seed) {
		return Item{Task: t, Stage: stage, Manner: like.Manner}, nil
	}
	return Item{}, ErrNoMore
}

// worked lists the numbers of the problems of a kind that the lesson has.
func (l Lesson) worked(kind task.Kind) [][]place.Number {
	var all [][]place.Number
	for _, item := range l.Items {
		if p, of := problem.From(item.Task); of && p.Kind == kind {
			all = append(all, p.Numbers)
		}
	}
	return all
}

// MayEstimate tells whether an estimate is still one: before anything is
// counted.
func (l Lesson) MayEstimate() bool {
	return l.Stand != Ended && BeforeCounting(l.At)
}

// Counted tells whether a place of the task in hand has been worked.
func (l Lesson) Counted(p place.Place) bool {
	if l.Stand == Ended || l.At.Phase == trace.Reading || l.At.Phase == trace.Checking {
		return true
	}
	if l.Current().Task.Kind == problem.Sharing { // from the highest place
		return l.At.Phase == trace.Work && p >= l.At.Place
	}
	return l.At.Phase == trace.Work && p <= l.At.Place
}

// Off is how far an estimate lies from what is right at a task of the lesson.
func (l Lesson) Off(nth int, estimate place.Number) int {
	right := First(l.Items[nth].Task)
	return int(max(estimate, right) - min(estimate, right))
}

// First is the first number of what is right at a task; 0 where nothing is.
func First(t task.Task) place.Number {
	if right := t.Right(); len(right) > 0 {
		return right[0]
	}
	return 0
}

// BeforeCounting tells whether nothing is counted yet at a position.
func BeforeCounting(at trace.Position) bool {
	return at.Phase == trace.Before || at.Phase == trace.LayOut || at.Phase == trace.Joining
}

func seated(children []string, whole bool) error {
	switch {
	case whole && len(children) > MostWhole:
		return fmt.Errorf("%w: %d chosen", ErrWhole, len(children))
	case !whole && len(children) > MostChildren:
		return fmt.Errorf("%w: %d chosen", ErrChildren, len(children))
	}
	for i, id := range children {
		if slices.Contains(children[:i], id) {
			return ErrTwice
		}
	}
	return nil
}

// Current is the task in hand.
func (l Lesson) Current() Item { return l.Items[l.Nth] }

// View is everything that the gather list and the mat show of a lesson.
type View struct {
	Trace trace.Trace
	Lines []say.Line // one for each step
	Asks  []string   // what can be asked before each step; empty for nothing
	Needs material.Needs
	Turns []int // for each step the index of the child whose turn it is; -1 for nobody
	Roles []string
	Each  bool // every child works the task whole
	Index int  // of the step that the mat shows
}

// Open works out the view of a lesson in the class's words and by its method; a task
// that is not shown on the mat has neither trace nor needs.
func (l Lesson) Open(w say.Words, m trace.Method) (View, error) {
	tr, err := l.solve(m)
	if errors.Is(err, ErrNoMat) {
		return View{Roles: make([]string, len(l.Children))}, nil
	}
	if err != nil {
		return View{}, err
	}
	w.Drawn = l.InHand(l.Nth).Drawn()
	v := View{Trace: tr, Needs: material.For(tr), Index: tr.Find(l.At), Turns: l.turnsIn(tr), Roles: l.roles(w, tr), Each: l.each(l.Nth)}
	v.Lines, v.Asks = w.Lines(tr)
	return v, nil
}

// Top is the highest place that the work reaches.
func (v View) Top() place.Place {
	if p, of := swap.From(v.Trace); of {
		return slices.Max(placesOf(p))
	}
	if w, of := number.Worked(v.Trace); of {
		return w.Asked.Number.Top()
	}
	return place.Ones
}
