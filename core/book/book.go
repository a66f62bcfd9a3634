// Package book has the plain records of who did what: how a problem was worked,
// with how much help, and what the child's answer was.
package book

import (
	"errors"
	"fmt"
	"slices"
	"strings"

	"vineswap/core/choose"
	"vineswap/core/material"
	"vineswap/core/place"
	"vineswap/core/swap"
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

// Ways returns all ways of working out.
func Ways() []Way { return []Way{Known, Doubles, MadeTen, CountedOn, CountedUp, CountedAll, OnFingers} }

// Came is how an answer came into the book.
type Came string

// An answer was typed as given, marked right by the guide for this child, or
// taken as right with all the others by one touch.
const (
	Typed   Came = "typed"
	Marked  Came = "marked"
	Default Came = "default"
)

// Answer is what a child gave, and what was understood.
type Answer struct {
	Text   string       // as given; empty for no answer
	Number place.Number // what was understood
	Rest   place.Number // and what was left over, where it was said
	Read   bool         // whether Text was understood
}

// MostAnswer is how long a given answer may be, in signs.
const MostAnswer = 40

// ReadAnswer keeps an answer as given and reads the number in it, and a rest where
// one is said: "24 rest 1", "24 r 1". Zeros before a number and spaces around it do
// not matter. Nothing else is guessed.
func ReadAnswer(text string) Answer {
	number, rest, said := strings.Cut(strings.ToLower(text), "r")
	a := Answer{Text: text}
	a.Number, a.Read = readNumber(number)
	if said && a.Read {
		a.Rest, a.Read = readNumber(strings.TrimPrefix(rest, "est"))
	}
	if !a.Read {
		return Answer{Text: text}
	}
	return a
}

func readNumber(text string) (n place.Number, read bool) {
	digits := strings.TrimSpace(text)
	if digits != "" && strings.Trim(digits, "0") == "" {
		digits = "0"
	} else {
		digits = strings.TrimLeft(digits, "0")
	}
	if len(digits) > place.MostDigits+1 { // what six digits and more can come to
		return 0, false
	}
	for _, r := range digits {
		if r < '0' || r > '9' {
			return 0, false
		}
		n = 10*n + place.Number(r-'0')
	}
	return n, digits != ""
}

// Observation is one child at one problem on one day.
type Observation struct {
	Problem  swap.Problem
	Stage    choose.StageID
	Manner   Manner
	Material material.Kind
	Help     Help
	Way      Way
	Answer   Answer
	Came     Came
	Chosen   bool // the child chose to do it
	Runs     int  // which run of it this is, from 1
	Day      Day
}

// Right tells whether the answer is that of the problem, with its rest.
func (o Observation) Right() bool {
	return o.Answer.Read && o.Answer.Number == o.Problem.Answer() && o.Answer.Rest == o.Problem.Rest()
}

// StageOf returns the stage that a problem belongs to; none for kinds whose
// strands are not built.
func StageOf(p swap.Problem) choose.StageID {
	switch p.Kind {
	case swap.Sum:
		return choose.StageOf(p.Numbers)
	case swap.Difference:
		return choose.StageOfTaking(p.Numbers[0], p.Numbers[1])
	case swap.Sharing:
		return choose.StageOfSharing(p.Numbers[0], int(p.Numbers[1]))
	case swap.Trays:
		return choose.StageOfTrays(p.Numbers[0], int(p.Numbers[1]))
	}
	return ""
}

// MostRuns is how often a child can run one problem on a day.
const MostRuns = 99

// Errors of an observation that cannot be kept.
var (
	ErrManner = errors.New("there is no such manner")
	ErrHelp   = errors.New("there is no such help")
	ErrWay    = errors.New("there is no such way of working it out")
	ErrCame   = errors.New("an answer is typed, marked or default")
	ErrMarked = errors.New("an answer that was not typed is the right one")
	ErrRuns   = fmt.Errorf("a run is counted from 1 to %d", MostRuns)
	ErrLong   = fmt.Errorf("an answer has at most %d signs", MostAnswer)
	ErrFuture = errors.New("this day is still to come")
)

// Valid tells why an observation cannot be kept on a day; nil when it can.
func (o Observation) Valid(today Day) error {
	if err := o.Problem.Valid(); err != nil {
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
	case len([]rune(o.Answer.Text)) > MostAnswer:
		return ErrLong
	case o.Day > today:
		return fmt.Errorf("%w: %v", ErrFuture, o.Day)
	}
	return nil
}
