// Package book has the plain records of who did what: how a problem was worked,
// with how much help, and what the child's answer was.
package book

import (
	"errors"
	"fmt"
	"slices"

	"vineswap/core/choose"
	"vineswap/core/material"
	"vineswap/core/place"
	"vineswap/core/task"
)

// Manner is how a child works.
type Manner string

// The manners, in the order of leaving material behind.
const (
	Pieces          Manner = "pieces"
	PiecesAndColumn Manner = "pieces-and-column"
	Drawn           Manner = "drawn"
	Column          Manner = "column"
	Head            Manner = "head"
)

// Manners returns all manners in order.
func Manners() []Manner { return []Manner{Pieces, PiecesAndColumn, Drawn, Column, Head} }

// WithMaterial tells whether pieces are in the child's hands.
func (m Manner) WithMaterial() bool { return m == Pieces || m == PiecesAndColumn }

// Help is how much help a child had.
type Help string

// The levels of help, the least independent first.
const (
	Shown    Help = "shown"
	Together Help = "together"
	Nudged   Help = "nudged"
	Alone    Help = "alone"
	Explains Help = "explains" // taught or explained it to another
)

// Helps returns all levels of help in order.
func Helps() []Help { return []Help{Shown, Together, Nudged, Alone, Explains} }

// Way is how a child worked it out; empty where nobody said.
type Way string

// The ways of working out that a guide names.
const (
	Known      Way = "known"
	Doubles    Way = "doubles"
	MadeTen    Way = "made-ten"
	CountedOn  Way = "counted-on"
	CountedUp  Way = "counted-up"
	CountedAll Way = "counted-all"
	OnFingers  Way = "on-fingers"
)

// The ways of seeing a number that is shown, besides doubles.
const (
	AtOnce       Way = "at-once"
	FiveAndSome  Way = "five-and-some"
	TensThenOnes Way = "tens-then-ones"
	FromFifty    Way = "from-fifty"
	FromHundred  Way = "from-hundred"
	OneByOne     Way = "one-by-one"
	FromTen      Way = "from-ten" // counted by ones from ten
)

// WorkingOut returns the ways of working out a fact.
func WorkingOut() []Way {
	return []Way{Known, Doubles, MadeTen, CountedOn, CountedUp, CountedAll, OnFingers}
}

// Seeing returns the ways of seeing a number that is shown.
func Seeing() []Way {
	return []Way{AtOnce, FiveAndSome, TensThenOnes, FromFifty, FromHundred, Doubles, OneByOne, FromTen}
}

// Ways returns all of them, each once.
func Ways() []Way {
	return slices.Concat(WorkingOut(), slices.DeleteFunc(Seeing(), func(w Way) bool { return w == Doubles }))
}

// Came is how an answer came into the book.
type Came string

// An answer was typed as given, marked right by the guide for this child, or
// taken as right with all the others by one touch.
const (
	Typed   Came = "typed"
	Marked  Came = "marked"
	Default Came = "default"
)

// MostAnswer is how long a given answer may be, in characters, and MostName the name of
// a child: a first name and an initial.
const (
	MostAnswer = 40
	MostName   = 40
)

// Observation is one child at one problem on one day.
type Observation struct {
	Task     task.Task
	Stage    choose.StageID
	Manner   Manner
	Material material.Kind
	Help     Help
	Way      Way
	Answer   string // as given; empty for no answer
	Came     Came
	Chosen   bool // the child chose to do it
	Runs     int  // which run of it this is, from 1
	Day      Day
	// Part is the places that the child worked itself, where others worked the other
	// ones; none for the whole.
	Part place.Set
	// Whole tells that it stood on a slate, among those of the whole class, and Paper that it
	// was worked on a sheet: no adult was beside the child.
	Whole, Paper bool
}

// Right tells whether the answer is the right one; of a part whether it is right in the
// child's own places.
func (o Observation) Right() bool { return o.Task.IsRightIn(o.Part, o.Answer) }

// Shows lists the skills that the child's own work shows.
func (o Observation) Shows() []task.Skill { return o.Task.ShowsIn(o.Part) }

// MostRuns is how often a child can run one problem on a day.
const MostRuns = 99

// Errors of an observation that cannot be kept.
var (
	ErrManner = errors.New("there is no such way of working")
	ErrHelp   = errors.New("there is no such level of help")
	ErrWay    = errors.New("there is no such way of working it out")
	ErrCame   = errors.New("an answer is typed, marked or default")
	ErrMarked = errors.New("an answer that was not typed is the right one")
	ErrRuns   = fmt.Errorf("a number of times is 1 to %d", MostRuns)
	ErrLong   = fmt.Errorf("an answer has at most %d characters", MostAnswer)
	ErrFuture = errors.New("this day is still to come")
	ErrPart   = errors.New("this task is not worked in this place")
)

// Valid tells why an observation cannot be kept on a day; nil when it can.
func (o Observation) Valid(today Day) error {
	if err := o.Task.Valid(); err != nil {
		return err
	}
	switch {
	case !slices.Contains(Manners(), o.Manner):
		return fmt.Errorf("%w: %q", ErrManner, o.Manner)
	case !slices.Contains(Helps(), o.Help):
		return fmt.Errorf("%w: %q", ErrHelp, o.Help)
	case o.Way != "" && !slices.Contains(Ways(), o.Way):
		return fmt.Errorf("%w: %q", ErrWay, o.Way)
	case !slices.Contains([]Came{Typed, Marked, Default}, o.Came):
		return fmt.Errorf("%w, not %q", ErrCame, o.Came)
	case o.Came != Typed && !o.Right():
		return ErrMarked
	case o.Runs < 1 || o.Runs > MostRuns:
		return fmt.Errorf("%w, not %d", ErrRuns, o.Runs)
	case len([]rune(o.Answer)) > MostAnswer:
		return ErrLong
	case o.Day > today:
		return fmt.Errorf("%w: %v", ErrFuture, o.Day)
	}
	for _, p := range o.Part.Places() {
		if !slices.Contains(o.Task.Parts(), p) {
			return fmt.Errorf("%w: %v", ErrPart, p)
		}
	}
	return nil
}

// Less tells whether one manner has less material than another.
func Less(a, b Manner) bool { return slices.Index(Manners(), a) > slices.Index(Manners(), b) }
