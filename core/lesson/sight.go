package lesson

import (
	"errors"

	"vineswap/core/book"
	"vineswap/core/place"
	"vineswap/core/trace"
)

// Sight is how the mat saw a step of the work.
type Sight string

// The ways in which the mat sees a step, the least independent first.
const (
	Led     Sight = "led"   // it was shown at once
	Asked   Sight = "asked" // its question was asked first, and then it was shown
	Told    Sight = "told"  // the child's own hands did it, and the mat said what was not right
	InHands Sight = "hands" // the child's own hands did it
)

// Sights returns all of them in order.
func Sights() []Sight { return []Sight{Led, Asked, Told, InHands} }

// ErrSight is the error of a step that was seen in a way that there is not.
var ErrSight = errors.New("a step was shown, asked first, or in the child's own hands")

// helpBySight is the help that is proposed by what the mat saw. Where it saw nothing, the
// children worked without it: alone.
var helpBySight = map[Sight]book.Help{"": book.Alone, Led: book.Together, Asked: book.Nudged, Told: book.Nudged, InHands: book.Alone}

// Sighting is a step that the mat saw done.
type Sighting struct {
	At  trace.Position
	How Sight
}

// less tells whether one sight is less independent than another.
func (s Sight) less(other Sight) bool {
	for _, each := range Sights() {
		if each == s || each == other {
			return each == s && s != other
		}
	}
	return false
}

// see takes in how steps of the task in hand were done: of each place the least independent
// is kept. A task that is not worked place by place has one sight, under the ones.
func (l *Lesson) see(saw []Sighting) {
	if len(saw) == 0 {
		return
	}
	items := append([]Item{}, l.Items...)
	item := items[l.Nth]
	kept := map[place.Place]Sight{}
	for p, s := range item.Saw {
		kept[p] = s
	}
	parted := len(l.parts(l.Nth)) > 0
	for _, s := range saw {
		at := s.At.Place
		if !parted {
			at = place.Ones
		} else if s.At.Phase != trace.Work && s.At.Phase != trace.Swapping {
			continue
		}
		if before, seen := kept[at]; !seen || s.How.less(before) {
			kept[at] = s.How
		}
	}
	item.Saw = kept
	items[l.Nth], l.Items = item, items
}

// sightOf is how the mat saw a child at its part of a task: the least independent of its
// places; empty where it saw none of them.
func (i Item) sightOf(part place.Set) Sight {
	var least Sight
	for p, s := range i.Saw {
		if (part == 0 || part.Has(p)) && (least == "" || s.less(least)) {
			least = s
		}
	}
	return least
}
