package ladder

import (
	"slices"

	"vineswap/core/choose"
	"vineswap/core/number"
)

// Told is what a child can do by the word of an adult, when it is added to a class. The
// empty word says nothing.
type Told string

// What can be told, the least first.
const (
	CountsToTen  Told = "counts-to-ten"
	ReadsTens    Told = "reads-tens-and-ones"
	AddsNoSwap   Told = "adds-without-swap"
	SwapsAlready Told = "swaps-already"
)

// Tolds returns what can be told, the least first.
func Tolds() []Told { return []Told{CountsToTen, ReadsTens, AddsNoSwap, SwapsAlready} }

// Valid tells whether it is one of what can be told, or nothing.
func (t Told) Valid() bool { return t == "" || slices.Contains(Tolds(), t) }

var nextOf = map[Told]choose.StageID{
	CountsToTen: choose.WithinTen, ReadsTens: choose.NoSwap, AddsNoSwap: choose.OneSwapOnes, SwapsAlready: choose.SeveralSwaps,
}

// Next is the stage that comes next for a child who can do this; none for nothing.
func (t Told) Next() choose.StageID { return nextOf[t] }

// met tells whether a stage counts as met by what was told: all that the next stage
// builds on does, stages that arrive later too, and all of the tens where it builds on
// their last stage. It is never secure by that.
func (t Told) met(id choose.StageID) bool {
	next := t.Next()
	return next != "" && (BuildsOn(next, id) || StrandOf(id) == Tens && BuildsOn(next, number.TensAndOnes))
}
