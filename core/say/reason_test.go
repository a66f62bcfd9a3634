package say_test

import (
	"strings"
	"testing"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/problem"
	"vineswap/core/say"
)

// firstDay is the Monday on which the histories below begin.
const firstDay = book.Day(20_780)

// lobeOf judges a history in pieces at a stage, on a day after the last answer. Of the history: R right alone, N nudged, T together, S shown, W one
// ten too few, X another wrong answer; a stroke is the next day, = the next week.
func lobeOf(t *testing.T, stage choose.StageID, history string, after book.Day) (ladder.Lobe, book.Day) {
	t.Helper()
	space, err := choose.Choice{Kind: problem.Sum, Stage: stage, Digits: []int{3, 3}}.Space()
	if err != nil {
		t.Fatal(err)
	}
	helps := map[rune]book.Help{'R': book.Alone, 'W': book.Alone, 'X': book.Alone, 'N': book.Nudged, 'T': book.Together, 'S': book.Shown}
	class := ladder.Class{Weeks: []book.Week{firstDay.Week()}}
	day := firstDay
	var events []ladder.Event
	for n, r := range history {
		switch r {
		case '|':
			day++
			continue
		case '=':
			day += 7
			class.Weeks = append(class.Weeks, day.Week())
			continue
		}
		p := problem.Of(problem.Sum, space.Draw(1, uint64(n))[0]...)
		answer := p.Right()
		switch r {
		case 'W':
			answer[0] -= 10
		case 'X':
			answer[0] += 500_000
		}
		o := book.Observation{Task: p.Task(), Stage: stage, Manner: book.Pieces, Help: helps[r], Answer: p.Write(answer), Came: book.Typed, Runs: 1, Day: day}
		if r == 'S' {
			o.Answer = ""
		}
		events = append(events, ladder.Saw(o))
	}
	child := ladder.Child{Standings: ladder.Judge(class, events), Class: class}
	for _, leaf := range child.Vine(ladder.Joining, day+after) {
		if leaf.Stage == stage {
			return leaf.Lobes[0], day + after
		}
	}
	t.Fatalf("there is no %s", stage)
	return ladder.Lobe{}, 0
}

func TestReasons(t *testing.T) {
	ones, higher := choose.OneSwapOnes, choose.OneSwapHigher
	for name, c := range map[string]struct {
		stage   choose.StageID
		history string
		after   book.Day
		want    string
	}{
		"nothing":                        {ones, "", 0, "Nothing is recorded yet."},
		"shown":                          {ones, "S", 1, "Shown yesterday, not tried yet."},
		"one right":                      {ones, "R", 0, "1 of 7 beads: six more right alone. Right alone on one day so far: a second day is needed."},
		"one wrong":                      {ones, "X", 0, "None of 7 beads, and 3 to make up first: ten more right alone. Nothing right alone yet. The one answer is wrong: 136 + 257 = 500393."},
		"five right":                     {ones, "RRR|RR", 0, "5 of 7 beads: two more right alone."},
		"with help alone":                {ones, "NNT", 0, "1¼ of 7 beads: six more right alone. Nothing right alone yet."},
		"all of it on one day":           {ones, "RRRRRRR", 0, "7 of 7 beads. Right alone on one day so far: a second day is needed."},
		"a swap is still to be seen":     {higher, "RRR|RR", 0, "5 of 7 beads: two more right alone. A swap in the hundreds is still to be seen."},
		"secure":                         {ones, "RRRR|RRR", 0, "Secure since today. Right alone 7 times on 2 days, last today."},
		"secure with a wrong one":        {ones, "RRRR|RRRX", 0, "Secure since today. Right alone 7 times on 2 days, last today. Wrong once of 8 answers."},
		"wobbling, one slip":             {ones, "RRRR|RRR|WW", 0, "1 of 7 beads: secure again with two more right alone. 2 of the last 6 answers are wrong: 857 + 105 = 952 and 227 + 666 = 883. One slip explains 2 of these 2: the ten that came up was not added."},
		"wobbling, two of three":         {ones, "RRRR|RRR|WXW", 0, "None of 7 beads, and 2 to make up first: secure again with five more right alone. 3 of the last 6 answers are wrong: 857 + 105 = 952, 227 + 666 = 500893 and 447 + 535 = 972. One slip explains 2 of these 3: the ten that came up was not added."},
		"coming back":                    {ones, "RRRR|RRR|WW|R", 0, "2 of 7 beads: secure again with one more right alone. 2 of the last 6 answers are wrong: 857 + 105 = 952 and 227 + 666 = 883. One slip explains 2 of these 2: the ten that came up was not added."},
		"not seen for long":              {ones, "RRRR|RRR=====", 0, "Secure since 24 Nov. Not worked for 4 school weeks after 24 Nov, nor anything that uses it."},
		"looked at again, and not alone": {ones, "RRRR|RRR=====N", 0, "Secure since 24 Nov. Not worked for 4 school weeks after 24 Nov, nor anything that uses it. Looked at again once, today, and not right alone."},
	} {
		lobe, today := lobeOf(t, c.stage, c.history, c.after)
		if got := strings.ReplaceAll(say.Words{}.Reason(c.stage, lobe, today), "\u00a0", " "); got != c.want {
			t.Errorf("%s: %q", name, got)
		}
	}
}

// In a list the one clause that tells most is said.
func TestReasonsInBrief(t *testing.T) {
	for history, want := range map[string]string{
		"RRRR|RRR|WW":    "The ten that came up was not added: 2 of 2 wrong.",
		"RRRR|RRR|XX":    "2 of the last 6 answers are wrong.",
		"RRRR|RRR=====":  "Not worked for 4 school weeks after 24 Nov.",
		"RRRR|RRR=====N": "Not worked for 4 school weeks after 24 Nov.",
		"X":              "The one answer is wrong.",
		"RRW":            "1 of the last 3 answers is wrong.",
		"RRR|RR":         "5 of 7 beads: two more right alone.",
	} {
		lobe, today := lobeOf(t, choose.OneSwapOnes, history, 0)
		if got := (say.Words{}).InBrief(choose.OneSwapOnes, lobe, today); got != want {
			t.Errorf("%s: %q", history, got)
		}
	}
}

func TestBeadsInWords(t *testing.T) {
	for b, want := range map[ladder.Beads]string{
		0: "0 of 7 beads", ladder.Bead / 2: "½ of 7 beads", 5 * ladder.Bead: "5 of 7 beads",
		5*ladder.Bead + ladder.Bead/4: "5¼ of 7 beads", -3 * ladder.Bead / 2: "None of 7 beads, and 1½ to make up first",
	} {
		if got := say.Beads(b); got != want {
			t.Errorf("%d: %q", b, got)
		}
	}
	if say.Came(book.Default) != "marked right with the others" || say.Came(book.Typed) != "" || say.Came(book.Marked) != "" {
		t.Error("how an answer came is said where it bears on what it counts for, and nowhere else")
	}
}

// What comes before a stage and has no numbers in the class's range counts as met, and
// that is said.
func TestReadyWhereTheNumbersDoNotGoSoFar(t *testing.T) {
	child := ladder.Child{Class: ladder.Class{Limit: choose.Range("20").Limit()}}
	for stage, want := range map[choose.StageID]string{
		choose.ThreeAddends: "Several swaps counts as met: the class’s numbers do not go that far.",
		choose.WithinTen:    "Nothing has to be learnt before it.",
	} {
		if got := (say.Words{}).ReadyBecause(child.Proofs(stage, firstDay), firstDay); got != want {
			t.Errorf("%s: %q", stage, got)
		}
	}
}
