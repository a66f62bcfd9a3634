package ladder_test

import (
	"slices"
	"testing"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/number"
)

// What is told of a child without any record, and where it leads.
func TestTold(t *testing.T) {
	for name, c := range map[string]struct {
		told  ladder.Told
		ready choose.StageID   // the stage to begin
		met   []choose.StageID // some of those that count as met
		open  []choose.StageID // some of those that do not
	}{
		"nothing":             {"", "", nil, []choose.StageID{choose.WithinTen, choose.NoSwap}},
		"counts to ten":       {ladder.CountsToTen, choose.WithinTen, []choose.StageID{number.OneByOne}, []choose.StageID{choose.WithinTen, choose.OverTen}},
		"reads tens and ones": {ladder.ReadsTens, choose.NoSwap, []choose.StageID{number.TensAndOnes, number.CountingOn, "places/quantity-and-card"}, []choose.StageID{choose.NoSwap, choose.OneSwapOnes}},
		"adds without a swap": {ladder.AddsNoSwap, choose.OneSwapOnes, []choose.StageID{choose.NoSwap, choose.OverTen, "places/four-kinds"}, []choose.StageID{choose.OneSwapOnes, choose.SeveralSwaps}},
		"swaps already":       {ladder.SwapsAlready, choose.SeveralSwaps, []choose.StageID{choose.NoSwap, choose.OneSwapOnes}, []choose.StageID{choose.SeveralSwaps}},
	} {
		t.Run(name, func(t *testing.T) {
			child := ladder.Child{Class: always, Standings: ladder.Standings{}, Told: c.told}
			for _, id := range c.met {
				if !child.TakenAsMet(id) {
					t.Errorf("%s does not count as met", id)
				}
			}
			for _, id := range c.open {
				if child.TakenAsMet(id) {
					t.Errorf("%s counts as met", id)
				}
			}
			begins := func(s ladder.NextStep) bool { return s.Kind == ladder.Begin && s.Stage == c.ready }
			if c.ready != "" && !slices.ContainsFunc(child.NextSteps(today), begins) {
				t.Errorf("%s is not to begin: %+v", c.ready, child.NextSteps(today))
			}
		})
	}
}

// Whatever is told: all that the next stage builds on counts as met and none of it is
// secure; more told is never less met; and a record that wobbles undoes it.
func TestToldIsNeverSecure(t *testing.T) {
	less := map[choose.StageID]bool{}
	for _, told := range ladder.Tolds() {
		child := ladder.Child{Class: always, Standings: ladder.Standings{}, Told: told}
		for _, strand := range ladder.Strands() {
			for _, leaf := range child.Vine(strand, today) {
				met := child.TakenAsMet(leaf.Stage)
				if want := ladder.BuildsOn(told.Next(), leaf.Stage) || strand == ladder.Tens && ladder.BuildsOn(told.Next(), number.TensAndOnes); met != want {
					t.Errorf("%s: %s counts as met: %t", told, leaf.Stage, met)
				}
				if leaf.State == ladder.Secure || leaf.State == ladder.Passed {
					t.Errorf("%s: %s is %s", told, leaf.Stage, leaf.State)
				}
				if met && leaf.State == ladder.Ready {
					t.Errorf("%s: %s counts as met and is suggested", told, leaf.Stage)
				}
				if less[leaf.Stage] && !met {
					t.Errorf("%s: %s was met by less", told, leaf.Stage)
				}
				less[leaf.Stage] = less[leaf.Stage] || met
			}
		}
	}
	shaky := ladder.Child{Class: always, Standings: ladder.Standings{{Stage: choose.NoSwap, Manner: book.Pieces}: {State: ladder.Wobbling}}, Told: ladder.AddsNoSwap}
	for _, s := range shaky.NextSteps(today) {
		if s.Kind == ladder.Begin && s.Stage == choose.OneSwapOnes {
			t.Error("begun on what wobbles")
		}
	}
}
