package sheet_test

import (
	"slices"
	"testing"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/number"
	"vineswap/core/sheet"
	"vineswap/core/slip"
)

const today book.Day = 20_000

// child is a child with standings, in a class that recorded something each week.
func child(limit int, standings ladder.Standings) ladder.Child {
	c := ladder.Child{Standings: standings, Class: ladder.Class{}}
	if limit > 0 {
		c.Class.Limit = 1_000
	}
	for w := (today - 300).Week(); w <= today.Week(); w++ {
		c.Class.Weeks = append(c.Class.Weeks, w)
	}
	return c
}

func key(id choose.StageID, m book.Manner) ladder.Key { return ladder.Key{Stage: id, Manner: m} }

// Where a child stands for a sheet: what it has worked itself, what presses first.
func TestWhereAChildStands(t *testing.T) {
	secure := ladder.Standing{State: ladder.Secure, Used: today - 5, Last: today - 5}
	underWay := ladder.Standing{State: ladder.UnderWay, Used: today - 2, Last: today - 2}
	shown := ladder.Standing{State: ladder.Shown, Last: today - 1}
	old := ladder.Standing{State: ladder.Secure, Used: today - 90, Last: today - 90}
	wobbles := ladder.Standing{State: ladder.Wobbling, Used: today - 1, Last: today - 1, Slips: [][]slip.ID{{"drops-new-ten"}}}
	for name, c := range map[string]struct {
		standings ladder.Standings
		strand    ladder.Strand
		stage     choose.StageID
		state     ladder.State
	}{
		"nothing yet":                          {nil, ladder.Joining, choose.NoSwap, ladder.NotYet},
		"secure in one":                        {ladder.Standings{key(choose.NoSwap, book.Pieces): secure}, ladder.Joining, choose.NoSwap, ladder.Secure},
		"what was only shown is not sent home": {ladder.Standings{key(choose.NoSwap, book.Column): secure, key(choose.OneSwapOnes, book.Pieces): shown}, ladder.Joining, choose.NoSwap, ladder.Secure},
		"under way":                            {ladder.Standings{key(choose.NoSwap, book.Column): secure, key(choose.OneSwapOnes, book.Pieces): underWay}, ladder.Joining, choose.OneSwapOnes, ladder.UnderWay},
		"a wobble comes first":                 {ladder.Standings{key(choose.NoSwap, book.Column): wobbles, key(choose.OneSwapOnes, book.Pieces): underWay}, ladder.Joining, choose.NoSwap, ladder.Wobbling},
		"not seen on paper for a while":        {ladder.Standings{key(choose.NoSwap, book.Column): old, key(choose.OneSwapOnes, book.Pieces): underWay}, ladder.Joining, choose.NoSwap, ladder.CheckAgain},
		"under way on paper comes before that": {ladder.Standings{key(choose.NoSwap, book.Column): old, key(choose.OneSwapOnes, book.Column): underWay}, ladder.Joining, choose.OneSwapOnes, ladder.UnderWay},
		"not seen with pieces comes last":      {ladder.Standings{key(choose.NoSwap, book.Pieces): old, key(choose.OneSwapOnes, book.Pieces): underWay}, ladder.Joining, choose.OneSwapOnes, ladder.UnderWay},
		"the strand that is asked for":         {ladder.Standings{key(choose.NoSwap, book.Column): wobbles, key(choose.TakeNoSwap, book.Pieces): secure}, ladder.Taking, choose.TakeNoSwap, ladder.Secure},
		"of any strand, what presses":          {ladder.Standings{key(choose.NoSwap, book.Column): secure, key(choose.TakeNoSwap, book.Pieces): wobbles}, "", choose.TakeNoSwap, ladder.Wobbling},
	} {
		s := sheet.Usual(sheet.Column)
		s.Strand = c.strand
		got := s.StandOf(child(0, c.standings), today)
		if got.Stage != c.stage || got.State != c.state || (got.Slips != nil) != (c.state == ladder.Wobbling) {
			t.Errorf("%s: %s, %q, %v", name, got.Stage, got.State, got.Slips)
		}
	}
}

// The parts of a sheet are as many tasks as it has, two in three of the stage itself; the
// others are of stages that it builds on and that the child works, one of them without a swap.
func TestTheParts(t *testing.T) {
	secure := ladder.Standing{State: ladder.Secure, Used: today - 5, Last: today - 5}
	old := ladder.Standing{State: ladder.Secure, Used: today - 90, Last: today - 90}
	underWay := ladder.Standing{State: ladder.UnderWay, Used: today - 2, Last: today - 2}
	for name, c := range map[string]struct {
		standings ladder.Standings
		want      []sheet.Part
	}{
		"the first stage":      {ladder.Standings{key(choose.NoSwap, book.Column): underWay}, []sheet.Part{{Stage: choose.NoSwap, Count: 9}}},
		"one before it":        {ladder.Standings{key(choose.NoSwap, book.Column): secure, key(choose.OneSwapOnes, book.Column): underWay}, []sheet.Part{{Stage: choose.OneSwapOnes, Count: 6}, {Stage: choose.NoSwap, Count: 3}}},
		"two, and one plain":   {ladder.Standings{key(choose.NoSwap, book.Column): secure, key(choose.OneSwapOnes, book.Column): secure, key(choose.OneSwapHigher, book.Column): underWay}, []sheet.Part{{Stage: choose.OneSwapHigher, Count: 6}, {Stage: choose.OneSwapOnes, Count: 2}, {Stage: choose.NoSwap, Count: 1}}},
		"another manner of it": {ladder.Standings{key(choose.NoSwap, book.Column): secure, key(choose.OneSwapOnes, book.Pieces): secure, key(choose.OneSwapHigher, book.Column): underWay, key(choose.OneSwapOnes, book.Column): secure}, []sheet.Part{{Stage: choose.OneSwapHigher, Count: 6}, {Stage: choose.OneSwapOnes, Count: 2}, {Stage: choose.NoSwap, Count: 1}}},
	} {
		s := sheet.Usual(sheet.Column)
		s.Strand = ladder.Joining
		if got := s.StandOf(child(0, c.standings), today); !slices.Equal(got.Parts, c.want) {
			t.Errorf("%s: %v", name, got.Parts)
		}
	}
	s := sheet.Usual(sheet.Column)
	s.Strand = ladder.Joining
	got := s.StandOf(child(0, ladder.Standings{key(choose.NoSwap, book.Column): secure, key(choose.OneSwapOnes, book.Column): old, key(choose.OneSwapHigher, book.Column): secure, key(choose.SeveralSwaps, book.Column): underWay}), today)
	if want := []sheet.Part{{Stage: choose.SeveralSwaps, Count: 6}, {Stage: choose.OneSwapOnes, Count: 2}, {Stage: choose.NoSwap, Count: 1}}; !slices.Equal(got.Parts, want) {
		t.Errorf("what is to be checked again is among the others: %v", got.Parts)
	}
	s.Stage = choose.AcrossZeros
	s.Strand = ""
	if got := s.StandOf(child(0, nil), today); got.Stage != choose.AcrossZeros || !slices.Equal(got.Parts, []sheet.Part{{Stage: choose.AcrossZeros, Count: 9}}) {
		t.Errorf("of a stage that is asked for: %v", got)
	}
}

// A law over all stages and states: a sheet's tasks are as many as are asked for, of stages
// that the child has worked or, where it has worked none of the kind, of the first.
func TestNothingNewComesOntoASheet(t *testing.T) {
	states := []ladder.State{ladder.NotYet, ladder.Shown, ladder.UnderWay, ladder.Secure, ladder.Wobbling}
	for seed := range 150 {
		standings := ladder.Standings{}
		worked := map[choose.StageID]bool{}
		for i, id := range append(sheet.Column.Stages(), sheet.DrawnTens.Stages()...) {
			stage, _ := ladder.StageByID(id)
			state := states[(seed*7+i*i*3+i*seed)%len(states)]
			if state == ladder.NotYet {
				continue
			}
			standings[key(id, stage.Manners[0])] = ladder.Standing{State: state, Used: today - book.Day(i*(seed%9)), Last: today - 1}
			worked[id] = state != ladder.Shown
		}
		for _, kind := range []sheet.Kind{sheet.Column, sheet.DrawnTens} {
			s := sheet.Usual(kind)
			got := s.StandOf(child(0, standings), today)
			any := slices.ContainsFunc(kind.Stages(), func(id choose.StageID) bool { return worked[id] })
			total := 0
			for i, part := range got.Parts {
				total += part.Count
				if any && !worked[part.Stage] || !any && part.Stage != kind.Stages()[0] {
					t.Fatalf("%d, %s: %s was never worked: %v", seed, kind, part.Stage, got.Parts)
				}
				if i > 0 && !ladder.BuildsOn(got.Stage, part.Stage) {
					t.Fatalf("%d, %s: %s does not build on %s", seed, kind, got.Stage, part.Stage)
				}
			}
			if total != s.Count || got.Parts[0].Stage != got.Stage {
				t.Fatalf("%d, %s: %v", seed, kind, got.Parts)
			}
		}
	}
}

// However far the numbers of a class go, every kind of sheet that has a stage there can be
// drawn for a child of whom nothing is recorded.
func TestHoweverFarTheNumbersGo(t *testing.T) {
	for _, r := range choose.Ranges() {
		c := ladder.Child{Class: ladder.Class{Limit: r.Limit()}}
		for _, kind := range sheet.Kinds() {
			if !kind.Each() {
				continue
			}
			s := sheet.Usual(kind)
			got := s.StandOf(c, today)
			if got.Stage == "" {
				continue
			}
			items, err := s.Draw(got.Parts, sheet.From{Range: r}, 3)
			if err != nil || len(items) == 0 {
				t.Errorf("%s up to %s: %s, %v", kind, r, got.Stage, err)
			}
			for _, item := range items {
				if limit := r.Limit(); limit > 0 && item.Task.Largest() > limit {
					t.Errorf("%s up to %s: %s", kind, r, item.Task)
				}
			}
		}
	}
	if got := sheet.Usual(sheet.Frames).StandOf(ladder.Child{Class: ladder.Class{Limit: 10}}, today); got.Stage != number.FullTen {
		t.Errorf("%v", got)
	}
}
