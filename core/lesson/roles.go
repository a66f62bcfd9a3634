package lesson

import (
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/say"
	"vineswap/core/swap"
	"vineswap/core/trace"
)

// storeFrom is the number of children from which one of them keeps the store.
const storeFrom = 3

// roles says for each child what it does: which numbers it builds, which
// places are its turns, and who keeps the store.
func (l Lesson) roles(w say.Words, t trace.Trace) []string {
	said := make([]string, len(l.Children))
	if l.Whole {
		return said
	}
	p, of := swap.From(t)
	for child := range said {
		if of {
			said[child] = l.problemRole(w, p, child)
		} else {
			said[child] = w.TurnRole((child - l.Nth%len(said) + len(said)) % len(said))
		}
	}
	return said
}

func (l Lesson) problemRole(w say.Words, t swap.Trace, child int) string {
	children := len(l.Children)
	builds := t.Problem.Built()
	var mine []place.Place
	grouping := t.Problem.Kind == problem.Grouping
	turns := l.turns(l.Nth)
	for _, p := range placesOf(t) {
		switch {
		case grouping: // groups are taken off in turn
		case l.each(l.Nth), int(p) < len(turns) && turns[p] == child, len(turns) == 0 && l.Nth%children == child:
			mine = append(mine, p)
		}
	}
	store := children >= storeFrom && child == storeFrom-1
	return w.Role(share(builds, child, children), mine, grouping, store)
}

// share deals things round and returns what one child gets.
func share[T any](things []T, child, children int) []T {
	var mine []T
	for i := child; i < len(things); i += children {
		mine = append(mine, things[i])
	}
	return mine
}

// placesOf are the places that are worked, in their order; of grouping those of the
// number.
func placesOf(t swap.Trace) []place.Place {
	var places []place.Place
	for _, c := range t.Columns {
		places = append(places, c.Place)
	}
	if t.Problem.Kind == problem.Grouping {
		for p := t.Problem.Numbers[0].Top(); p >= place.Ones; p-- {
			places = append(places, p)
		}
	}
	return places
}
