package say_test

import (
	"strings"
	"testing"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/group"
	"vineswap/core/ladder"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/say"
	"vineswap/core/slip"
)

// Everything that can be recorded or judged has a name of its own.
func TestNamesOfTheLadder(t *testing.T) {
	w := say.Words{}
	for _, strand := range ladder.Strands() {
		seen := map[string]bool{}
		for _, stage := range ladder.Stages(strand) {
			name := w.Stage(stage.ID)
			if name == "chosen by hand" || seen[name] || plainFault(w.StageAsks(stage.ID)) != "" {
				t.Errorf("%s is called %q: %s", stage.ID, name, w.StageAsks(stage.ID))
			}
			seen[name] = true
		}
	}
	for _, m := range book.Manners() {
		if say.Manner(m) == "" || say.InManner(m) == "" {
			t.Errorf("%s has no name", m)
		}
	}
	for _, way := range append(book.Ways(), "") {
		if say.Way(way) == "" {
			t.Errorf("the way %q has no name", way)
		}
	}
	for _, id := range append(append(slip.InColumns(), slip.Others()...), slip.DigitMirrored) {
		if say.Slip(id) == "" {
			t.Errorf("%s has no words", id)
		}
		for _, w := range everyWords() {
			for _, sentence := range []string{w.LookFor(id), w.HelpsWith(id)} {
				if sentence == "" || plainFault(sentence) != "" || strings.ContainsAny(sentence, "{}") {
					t.Errorf("%s: %q", id, sentence)
				}
			}
		}
	}
	for _, o := range group.Orders() {
		if say.Order(o) == "" {
			t.Errorf("the order %s has no name", o)
		}
	}
	for _, n := range []group.Need{group.Steady, group.Check, group.Start, group.Growing, group.Unseen, group.Near, group.Before, group.Beyond, group.AfterLong, group.Lately} {
		if say.Need(n) == "" {
			t.Errorf("the need %s has no name", n)
		}
	}
}

// The story of taking away, over a zero.
func TestTheStoryOfTaking(t *testing.T) {
	lines := told(say.Words{Swap: say.Exchange, And: true}.Trace(traced(t, "503-128")))
	want := []string{
		"Estimate | About how much will be left? Say it, write it down, lock it.",
		"Lay out | One tray for the larger number. The smaller number is shown with cards only.",
		"Build 503 | 503: five hundreds, no tens and three ones.",
		"Label the tray | The large cards read 503.",
		"Lay the cards of 128 | The small cards show what is to be taken away: 128.",
		"Look at the ones | Three ones, and eight ones to take: not enough.",
		"Exchange for ten tens | One hundred is exchanged for ten tens.",
		"Exchange for ten ones | One ten is exchanged for ten ones.",
		"Take eight ones away | Eight ones are taken from thirteen ones.",
		"Lay the card 5 | Five ones are left: the card 5.",
		"Look at the tens | Nine tens, and two tens to take: enough.",
		"Take two tens away | Two tens are taken from nine tens.",
		"Lay the card 70 | Seven tens are left: the card 70.",
		"Look at the hundreds | Four hundreds, and one hundred to take: enough.",
		"Take one hundred away | One hundred is taken from four hundreds.",
		"Lay the card 300 | Three hundreds are left: the card 300.",
		"Slide the cards together | 300, 70 and 5 slide together and read 375.",
		"Read the number | Three hundred and seventy-five.",
		"Say it back | 128 was taken from 503. That leaves 375.",
		"Put it in a sentence | “375 … are left.” Say what was counted.",
		"Count the pieces | 8 pieces were laid. Two exchanges bring 18 more. 11 pieces were taken away. So 15 pieces must lie here now.",
		"Put everything together again | 128 is put back: four hundreds, nine tens and thirteen ones.",
		"Exchange for one ten | Ten ones are exchanged for one ten.",
		"Exchange for one hundred | Ten tens are exchanged for one hundred.",
		"Compare | 503 lies here again, so 375 is right.",
	}
	for i, line := range want {
		if i >= len(lines) || lines[i] != line {
			t.Errorf("step %d: %q, wanted %q", i, lines[min(i, len(lines)-1)], line)
		}
	}
	for _, text := range []string{"47-47", "105-5", "1000-999", "8-0"} {
		for _, line := range (say.Words{}).Trace(traced(t, text)) {
			if fault := plainFault(line.String()); fault != "" {
				t.Errorf("%s: %q %s", text, line.String(), fault)
			}
		}
	}
}

func TestLeavesInWords(t *testing.T) {
	lobes := func(states ...ladder.State) []ladder.Lobe {
		var out []ladder.Lobe
		for i, s := range states {
			out = append(out, ladder.Lobe{Manner: book.Manners()[i], State: s})
		}
		return out
	}
	for want, leaf := range map[string]ladder.Leaf{
		"not yet":                            {},
		"ready for it":                       {State: ladder.Ready},
		"covered by later work":              {State: ladder.Passed},
		"secure with pieces":                 {State: ladder.Secure, Lobes: lobes(ladder.Secure)},
		"wobbling drawn; secure with pieces": {State: ladder.Wobbling, Lobes: lobes(ladder.Secure, ladder.NotYet, ladder.Wobbling)},
		"secure with pieces; has explained it to another":  {State: ladder.Secure, Lobes: lobes(ladder.Secure), Explained: true},
		"secure with pieces and with pieces and column":    {State: ladder.Secure, Lobes: lobes(ladder.Secure, ladder.Secure)},
		"check again with pieces; under way in the column": {State: ladder.CheckAgain, Lobes: lobes(ladder.CheckAgain, "", "", ladder.UnderWay)},
	} {
		if got := say.Leaf(leaf); got != want {
			t.Errorf("%q, wanted %q", got, want)
		}
	}
}

func TestSentencesAboutChildren(t *testing.T) {
	const today = book.Day(20_000)
	w := say.Words{}
	secure := ladder.Standing{State: ladder.Secure, Beads: ladder.Full, Alone: 7, Days: 2, Tried: 7, Right: 7, Last: today, Used: today}
	child := ladder.Child{Standings: ladder.Standings{{Stage: choose.NoSwap, Manner: book.Pieces}: secure}}
	for got, want := range map[string]string{
		w.Stands(child, today):                                        "Ready for seven stages. Last seen today.",
		w.Stands(ladder.Child{}, today):                               "Nothing is recorded yet.",
		w.NotYet([]choose.StageID{choose.NoSwap, choose.OneSwapOnes}): "No swap and one swap, ones must be secure first, with material.",
		w.Plan(choose.TakeNoSwap, false, 3):                           "There is no lesson for the mat for this stage yet.",
		w.Plan(choose.NoSwap, true, 0):                                "Nobody is at this stage. Touch the names of the children who come.",
		w.Plan(choose.NoSwap, true, 1):                                "One child, with numbers for no swap.",
		say.Meeting(group.Meeting{Seats: []group.Seat{{Step: ladder.NextStep{Kind: ladder.Begin}}, {Step: ladder.NextStep{Kind: ladder.GoBack}}, {Step: ladder.NextStep{Kind: ladder.Begin}}}}): "Two are ready for it and one wobbles.",
		w.Judged(choose.TakeNoSwap, book.Column, ladder.Secure): "taking away: no swap, in the column: secure",
		w.Counted(place.Columns([]place.Number{8, 7})[0]):       "15 counted, one swap: 5 stay",
		say.Waits(0, true): "not seen yet", say.Waits(1, false): "1 day", say.Waits(12, false): "12 days",
		say.Erased(1): "One child was erased. Nothing else about the child is kept.", say.Erased(3): "3 children were erased. Nothing else about them is kept.",
		say.PlaceInStrand(ladder.Joining, 5, 10):                                           "adding, stage 5 of 10",
		w.StageInManner(choose.NoSwap, book.Column):                                        "adding: no swap, in the column",
		w.TakenFrom(place.TakingColumns(62, 38)[0]):                                        "12 there after one swap, 8 taken away: 4 stay",
		say.ShortDay(today-1, today):                                                       "yesterday",
		say.ShortDay(today-2, today):                                                       "2 Oct",
		strings.ReplaceAll((say.Words{}).Sum(problem.DifferenceOf(62, 38)), "\u00a0", " "): "62 − 38",
	} {
		if got != want {
			t.Errorf("%q, wanted %q", got, want)
		}
	}
}
