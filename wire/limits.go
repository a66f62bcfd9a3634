package wire

import (
	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/rename"
)

// mostChoiceName is how long the name of a kept choice may be, as KeptChoice says.
const mostChoiceName = 60

// LimitsOf collects the limits that core sets, so that no screen knows them by
// itself.
func LimitsOf() Limits {
	return Limits{
		Answer: book.MostAnswer, Choice: mostChoiceName, Runs: book.MostRuns,
		Addends: problem.MostAddends, Shelf: choose.MostLimit, Estimate: place.MostDigits + 1, Beads: int(ladder.Full / ladder.Bead), Tray: rename.Most,
	}
}
