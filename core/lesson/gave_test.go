package lesson_test

import (
	"slices"
	"testing"

	"vineswap/core/lesson"
	"vineswap/core/place"
	"vineswap/core/slip"
	"vineswap/core/task"
	"vineswap/core/trace"
)

func gaveOf(t *testing.T, work, answer string) lesson.Gave {
	t.Helper()
	of, err := task.Parse(work)
	if err != nil {
		t.Fatal(err)
	}
	given, _ := of.Read(answer)
	all := lesson.Wrongs(of, trace.Method{})
	i := slices.IndexFunc(all, func(g lesson.Gave) bool { return g.Answer.Equal(given) })
	if i < 0 {
		t.Fatalf("no slip gives %s for %s", answer, work)
	}
	return all[i]
}

// What a wrong answer means: its slips, where it shows, what it lacks, the step that helps.
func TestWhatAWrongAnswerMeans(t *testing.T) {
	for name, c := range map[string]struct {
		work, answer string
		slips        [][]slip.ID
		shows        []place.Place
		lacks        []lesson.Fewer
		step         string
		swaps        bool
	}{
		"two tens that came up": {
			"2468+1375", "3733", [][]slip.ID{{"drops-new-ten"}}, []place.Place{place.Tens, place.Hundreds},
			[]lesson.Fewer{{place.Tens, 1}, {place.Hundreds, 1}}, "work/ones", true,
		},
		"the larger digit less the smaller": {"62-38", "36", [][]slip.ID{{"smaller-from-larger"}}, []place.Place{place.Ones, place.Tens}, nil, "work/ones", true},
		"nothing in a place":                {"58-20", "30", [][]slip.ID{{"take-zero-is-zero"}}, []place.Place{place.Ones}, []lesson.Fewer{{place.Ones, 8}}, "work/ones", false},
		"the other operation":               {"62-38", "100", [][]slip.ID{{"adds-instead"}}, []place.Place{place.Ones, place.Tens, place.Hundreds}, nil, "lay-out", false},
		"two slips give the same":           {"374+62", "336", [][]slip.ID{{"drops-new-ten"}, {"brings-down-without-carry"}}, []place.Place{place.Hundreds}, []lesson.Fewer{{place.Hundreds, 1}}, "work/tens", true},
		"two together":                      {"653-248", "526", [][]slip.ID{{"counts-the-start", "smaller-from-larger"}}, []place.Place{place.Ones, place.Tens, place.Hundreds}, nil, "work/ones", true},
		"left out of sharing":               {"72/3", "20 r 2", [][]slip.ID{{slip.LeftoverDropped}}, []place.Place{place.Ones}, []lesson.Fewer{{place.Ones, 4}}, "work/", true},
	} {
		t.Run(name, func(t *testing.T) {
			g := gaveOf(t, c.work, c.answer)
			if len(g.Slips) < len(c.slips) || !slices.Equal(g.Slips[0], c.slips[0]) {
				t.Errorf("slips %v", g.Slips)
			}
			if !slices.Equal(g.Shows, c.shows) || !slices.Equal(g.Lacks, c.lacks) {
				t.Errorf("shows in %v, lacks %v", g.Shows, g.Lacks)
			}
			if g.Step == nil || len(g.Step.String()) < len(c.step) || g.Step.String()[:len(c.step)] != c.step || g.Swaps != c.swaps {
				t.Errorf("helps: %v, a swap: %t", g.Step, g.Swaps)
			}
		})
	}
}

// No answer comes twice, none is right, and two slips together are told only where no one slip
// gives the answer.
func TestWrongsAreWrong(t *testing.T) {
	for _, work := range []string{"2468+1375", "503-128", "28+19+15", "97/4", "23*4", "16 word write", "40 pieces tens"} {
		of, err := task.Parse(work)
		if err != nil {
			continue
		}
		seen := map[string]bool{}
		for _, g := range lesson.Wrongs(of, trace.Method{}) {
			text := of.Write(g.Answer)
			if seen[text] || of.IsRight(text) {
				t.Errorf("%s: %s comes again, or is right", work, text)
			}
			seen[text] = true
			for _, ids := range g.Slips {
				if len(ids) != len(g.Slips[0]) {
					t.Errorf("%s, %s: %v", work, text, g.Slips)
				}
			}
			if one := of.Explains(text); len(g.Slips[0]) == 1 && !slices.Contains(one, g.Slips[0][0]) {
				t.Errorf("%s, %s is explained by %v, not %v", work, text, one, g.Slips)
			}
		}
	}
}
