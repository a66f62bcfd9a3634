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
func roles(w say.Words, t trace.Trace, children int) []string {
	said := make([]string, children)
	p, of := swap.From(t)
	if !of {
		for child := range said {
			said[child] = w.TurnRole(child)
		}
		return said
	}
	return problemRoles(w, p, said)
}

func problemRoles(w say.Words, t swap.Trace, said []string) []string {
	children := len(said)
	places, builds := placesOf(t), t.Problem.Addends()
	if builds == nil {
		builds = t.Problem.Numbers[:1] // only the larger number is built
	}
	grouping := t.Problem.Kind == problem.Grouping
	if grouping {
		places = nil // groups are taken off in turn
	}
	for child := range children {
		store := children >= storeFrom && child == storeFrom-1
		said[child] = w.Role(share(builds, child, children), share(places, child, children), grouping, store)
	}
	return said
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
