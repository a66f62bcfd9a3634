package say

import (
	"fmt"

	"vineswap/core/choose"
	"vineswap/core/place"
)

// Wish says one wish of a choice: "a swap in the ones", "never a zero".
func (w Words) Wish(wish choose.Wish) string {
	switch wish.Kind {
	case choose.Knot:
		if wish.Want == choose.Yes {
			return fmt.Sprintf("%s in the %s", w.ASwap(), w.PlaceMany(wish.Place))
		}
		return fmt.Sprintf("%s in the %s", w.NoSwap(), w.PlaceMany(wish.Place))
	case choose.Zero:
		if wish.Want == choose.Yes {
			return "a zero in the numbers"
		}
		return "no zero in the numbers"
	case choose.Belongs:
		return fmt.Sprintf("the stage “%s”", w.Stage(wish.Stage))
	}
	return fmt.Sprintf("a result of at most %d, which pieces can show", place.MostWithPieces)
}

// Mend asks for one wish to be let go: "Leave the ones open".
func (w Words) Mend(wish choose.Wish) string {
	switch wish.Kind {
	case choose.Knot:
		return fmt.Sprintf("Leave the %s open", w.PlaceMany(wish.Place))
	case choose.Zero:
		return "Let zeros be or not"
	}
	return fmt.Sprintf("Leave “%s”", w.Stage(wish.Stage))
}

// Clash says why nothing fits: wishes that cannot be together.
func (w Words) Clash(wishes []choose.Wish) string {
	said := make([]string, len(wishes))
	for i, wish := range wishes {
		said[i] = w.Wish(wish)
	}
	if len(said) == 1 {
		return fmt.Sprintf("With numbers of these lengths there is nothing for %s.", said[0])
	}
	return fmt.Sprintf("These cannot be together: %s.", list(said))
}
