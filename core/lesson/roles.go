package lesson

import (
	"fmt"
	"strings"

	"vineswap/core/say"
	"vineswap/core/swap"
)

// storeFrom is the number of children from which one of them keeps the store.
const storeFrom = 3

// roles says for each child what it does: which numbers it builds, which
// places are its turns, and who keeps the store.
func roles(w say.Words, t swap.Trace, children int) []string {
	said := make([]string, children)
	for child := range children {
		var parts []string
		if builds := share(numerals(t), child, children); len(builds) > 0 {
			parts = append(parts, "builds "+strings.Join(builds, " and "))
		}
		if places := share(placeNames(w, t), child, children); len(places) > 0 {
			parts = append(parts, "works the "+strings.Join(places, " and the "))
		}
		if children >= storeFrom && child == storeFrom-1 {
			parts = append(parts, "keeps the store")
		}
		if len(parts) == 0 {
			parts = append(parts, "lays the large cards")
		}
		said[child] = strings.Join(parts, ", ")
	}
	return said
}

// share deals things round and returns what one child gets.
func share(things []string, child, children int) []string {
	var mine []string
	for i := child; i < len(things); i += children {
		mine = append(mine, things[i])
	}
	return mine
}

func numerals(t swap.Trace) []string {
	var out []string
	for _, n := range t.Problem.Numbers {
		out = append(out, fmt.Sprint(n))
	}
	return out
}

func placeNames(w say.Words, t swap.Trace) []string {
	var out []string
	for _, c := range t.Columns {
		out = append(out, w.PlaceMany(c.Place))
	}
	return out
}
