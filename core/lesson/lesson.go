// Package lesson is a lesson in hand: which problems, with which material and
// children, and how far it has come.
package lesson

import (
	"errors"
	"fmt"
	"slices"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/material"
	"vineswap/core/place"
	"vineswap/core/say"
	"vineswap/core/swap"
)

// Stand is how far a lesson has come.
type Stand string

// The stands of a lesson, in order. An ended lesson changes no more.
const (
	Gathering Stand = "gathering"
	OnTheMat  Stand = "mat"
	Ended     Stand = "ended"
)

// MostChildren is how many children a presentation is for; none is a rehearsal.
const MostChildren = 4

// MostProblems is how many problems a lesson has room for.
const MostProblems = 24

// Child is a learner who sits at the mat.
type Child struct{ ID, Name string }

// Lesson is a row of problems presented to some children.
type Lesson struct {
	Problems []swap.Problem
	Problem  int            // which of them is in hand
	Stage    choose.StageID // what the numbers were chosen for; empty by hand
	Material material.Kind
	Children []string // ids, in the order in which they take turns
	Stand    Stand
	At       swap.Position // the step that the mat shows
}

// Errors of a lesson that cannot be opened or changed.
var (
	ErrEnded    = errors.New("this lesson has ended")
	ErrChildren = fmt.Errorf("a presentation is for at most %d children", MostChildren)
	ErrTwice    = errors.New("a child sits at the mat once")
	ErrProblem  = errors.New("the lesson has no such problem")
	ErrFull     = fmt.Errorf("a lesson has at most %d problems", MostProblems)
	ErrNoMore   = errors.New("there is no other problem like it")
	ErrNothing  = errors.New("a lesson needs a problem")
	ErrStand    = errors.New("a lesson is gathering, on the mat or ended")
)

// New opens a lesson on problems, ready to gather. The stage is that of the
// first problem where none is given.
func New(problems []swap.Problem, stage choose.StageID, kind material.Kind, children []string) (Lesson, error) {
	if len(problems) == 0 {
		return Lesson{}, ErrNothing
	}
	for _, p := range problems {
		if err := p.Valid(); err != nil {
			return Lesson{}, err
		}
	}
	if stage == "" {
		stage = book.StageOf(problems[0])
	}
	l := Lesson{Problems: problems, Stage: stage, Material: kind, Stand: Gathering, At: swap.Position{Phase: swap.Before}}
	return l.With(Change{Children: children})
}

// Change is what can change in a lesson; what is nil stays.
type Change struct {
	Children []string
	Material *material.Kind
	Stand    *Stand
	At       *swap.Position
	Method   swap.Method   // the class's, by which At is found
	Problem  *int          // which of the problems is taken in hand, from its beginning
	Add      *swap.Problem // one more problem, taken in hand
}

// With returns the lesson with a change made. Nothing is changed when an error
// is returned.
func (l Lesson) With(c Change) (Lesson, error) {
	if l.Stand == Ended {
		return l, ErrEnded
	}
	next := l
	if c.Children != nil {
		if err := seated(c.Children); err != nil {
			return l, err
		}
		next.Children = slices.Clone(c.Children)
	}
	if c.Material != nil {
		next.Material = *c.Material
	}
	if c.Stand != nil {
		if !slices.Contains([]Stand{Gathering, OnTheMat, Ended}, *c.Stand) {
			return l, fmt.Errorf("%w, not %q", ErrStand, *c.Stand)
		}
		next.Stand = *c.Stand
	}
	if err := next.turnTo(c); err != nil {
		return l, err
	}
	return next, nil
}

// turnTo takes a problem in hand, and a step of it.
func (l *Lesson) turnTo(c Change) error {
	if c.Add != nil {
		if err := l.add(*c.Add); err != nil {
			return err
		}
		last := len(l.Problems) - 1
		c.Problem = &last
	}
	if c.Problem != nil {
		if *c.Problem < 0 || *c.Problem >= len(l.Problems) {
			return fmt.Errorf("%w: %d", ErrProblem, *c.Problem)
		}
		l.Problem, l.At, l.Stand = *c.Problem, swap.Position{Phase: swap.Before}, OnTheMat
	}
	if c.At == nil {
		return nil
	}
	trace, err := c.Method.Solve(l.Current())
	if err != nil {
		return err
	}
	l.At = trace.Steps[trace.Find(*c.At)].At
	return nil
}

func (l *Lesson) add(p swap.Problem) error {
	if len(l.Problems) >= MostProblems {
		return ErrFull
	}
	if err := p.Valid(); err != nil {
		return err
	}
	l.Problems = append(slices.Clone(l.Problems), p)
	return nil
}

// Another draws one more problem like the first: of its stage, with numbers of
// its lengths, and none that the lesson has already. ErrNoMore where there is
// none.
func (l Lesson) Another(seed uint64) (swap.Problem, error) {
	first := l.Problems[0]
	choice := choose.Choice{Op: choose.Op(first.Kind.Operation()), Stage: l.Stage, Laid: material.CanLayOut(max(first.Answer(), first.Numbers[0]))}
	numbers := first.Numbers
	if choice.Op == choose.Share || choice.Op == choose.Trays { // by as many as before
		numbers, choice.By = numbers[:1], int(numbers[1])
	}
	for _, n := range numbers {
		choice.Digits = append(choice.Digits, n.Length())
	}
	space, err := choice.Space()
	if err != nil {
		return swap.Problem{}, fmt.Errorf("%w: %w", ErrNoMore, err)
	}
	worked := make([][]place.Number, len(l.Problems))
	for i, p := range l.Problems {
		worked[i] = p.Numbers
	}
	for _, numbers := range space.Except(worked).Draw(1, seed) {
		return swap.Of(first.Kind.Operation(), numbers), nil
	}
	return swap.Problem{}, ErrNoMore
}

// MayEstimate tells whether an estimate is still one: before anything is
// counted.
func (l Lesson) MayEstimate() bool {
	return l.Stand != Ended && BeforeCounting(l.At)
}

// Counted tells whether a place of the problem in hand has been worked.
func (l Lesson) Counted(p place.Place) bool {
	if l.Stand == Ended || l.At.Phase == swap.Reading || l.At.Phase == swap.Checking {
		return true
	}
	if l.Current().Kind == swap.Sharing { // from the highest place
		return l.At.Phase == swap.Work && p >= l.At.Place
	}
	return l.At.Phase == swap.Work && p <= l.At.Place
}

// BeforeCounting tells whether nothing is counted yet at a position.
func BeforeCounting(at swap.Position) bool {
	return at.Phase == swap.Before || at.Phase == swap.LayOut || at.Phase == swap.Joining
}

func seated(children []string) error {
	if len(children) > MostChildren {
		return fmt.Errorf("%w: %d chosen", ErrChildren, len(children))
	}
	for i, id := range children {
		if slices.Contains(children[:i], id) {
			return ErrTwice
		}
	}
	return nil
}

// Current is the problem in hand.
func (l Lesson) Current() swap.Problem { return l.Problems[l.Problem] }

// View is everything that the gather list and the mat show of a lesson.
type View struct {
	Trace swap.Trace
	Lines []say.Line // one for each step
	Needs material.Needs
	Turns []int // for each step the index of the child whose turn it is; -1 for nobody
	Roles []string
	Index int // of the step that the mat shows
}

// Open works out the view of a lesson in the class's words and by its method.
// The children are those of the lesson, in its order.
func (l Lesson) Open(w say.Words, m swap.Method, children []Child) (View, error) {
	trace, err := m.Solve(l.Current())
	if err != nil {
		return View{}, err
	}
	w.Drawn = l.Material.Drawn()
	v := View{
		Trace: trace, Lines: w.Trace(trace), Needs: material.For(trace),
		Index: trace.Find(l.At), Roles: roles(w, trace, len(children)),
	}
	taken := 0
	for _, s := range trace.Steps {
		v.Turns = append(v.Turns, turn(s, taken, len(children)))
		if s.Kind == swap.TakeGroup {
			taken = s.Ten
		}
	}
	return v, nil
}

// turn says whose turn a step is: each tray has its builder, and the turn
// passes with each place, starting from the ones. Where groups are taken off it
// passes with each group; so many were taken before the step.
func turn(s swap.Step, taken, children int) int {
	switch {
	case children == 0:
		return -1
	case s.At.Phase == swap.LayOut && s.Tray > 0:
		return (s.Tray - 1) % children
	case taken > 0 && s.At.Phase == swap.Work:
		return taken % children
	case s.At.Phase == swap.Work || s.At.Phase == swap.Swapping:
		return TurnAt(s.At.Place, children)
	}
	return -1
}

// Top is the highest place that the work reaches.
func (v View) Top() place.Place {
	return slices.Max(placesOf(v.Trace))
}

// TurnAt says whose turn a place is, by the index of the child; -1 for nobody.
func TurnAt(p place.Place, children int) int {
	if children == 0 {
		return -1
	}
	return int(p) % children
}
