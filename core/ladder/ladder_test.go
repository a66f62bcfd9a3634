package ladder_test

import (
	"errors"
	"fmt"
	"math/rand/v2"
	"reflect"
	"slices"
	"strings"
	"testing"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/say"
)

const today = book.Day(20_000) // 4 October 2024

// history reads "-9 47+25=72 alone; …": days before today, the problem and the
// answer, the help, then words such as default, run2. "-3 guide secure" is an
// overrule.
func history(t testing.TB, stage choose.StageID, text string) []ladder.Event {
	t.Helper()
	var events []ladder.Event
	for part := range strings.SplitSeq(text, ";") {
		words := strings.Fields(part)
		if len(words) == 0 {
			continue
		}
		var ago int
		fmt.Sscan(words[0], &ago)
		day := today + book.Day(ago)
		if words[1] == "guide" {
			events = append(events, ladder.Event{Overrule: &ladder.Overrule{State: ladder.State(words[2]), Reason: "seen at home time", Day: day}})
			continue
		}
		asked, answer, _ := strings.Cut(words[1], "=")
		p, err := problem.Parse(asked)
		if err != nil {
			t.Fatal(err)
		}
		o := book.Observation{Task: p.Task(), Stage: stage, Manner: book.Pieces, Help: book.Help(words[2]), Answer: answer, Came: book.Typed, Runs: 1, Day: day}
		for _, word := range words[3:] {
			switch {
			case word == "default":
				o.Came = book.Default
			case strings.HasPrefix(word, "run"):
				o.Chosen = true
				fmt.Sscan(word[3:], &o.Runs)
			}
		}
		events = append(events, ladder.Event{Observation: o})
	}
	return events
}

// Small histories, the standing that they give, and its reason in words.
func TestHistories(t *testing.T) {
	for _, c := range []struct {
		name   string
		stage  choose.StageID
		events string
		state  ladder.State // as it is today
		reason string
	}{
		{"nothing", choose.OneSwapOnes, "", ladder.NotYet, "Nothing is recorded yet."},
		{"shown", choose.OneSwapOnes, "-2 47+25=72 shown", ladder.Shown, "Shown on 2 Oct, not worked yet."},
		{"shown counts for nothing, however often", choose.OneSwapOnes, "-5 47+25=72 shown; -4 38+25=63 shown; -3 28+15=43 shown; -2 36+45=81 shown", ladder.Shown, "Shown on 2 Oct, not worked yet."},
		{"worked together", choose.OneSwapOnes, "-2 47+25=72 together", ladder.UnderWay, "1 of 1 right. Not alone yet."},
		{"wrong while together is nobody's own", choose.OneSwapOnes, "-2 47+25=62 together", ladder.UnderWay, "Worked together, nothing alone yet."},
		{"nudged over many days is not independent", choose.OneSwapOnes, "-9 47+25=72 nudged; -8 38+25=63 nudged; -7 28+15=43 nudged; -6 36+45=81 nudged; -5 19+15=34 nudged; -4 29+15=44 nudged; -3 39+15=54 nudged", ladder.UnderWay, "7 of 7 right. Not alone yet."},
		{"one lucky run", choose.OneSwapOnes, "-2 47+25=72 alone; -2 38+25=63 alone; -2 28+15=43 alone; -2 36+45=81 alone", ladder.UnderWay, "4 of 4 right. Alone 4 times, on one day only."},
		{"alone on two days", choose.OneSwapOnes, "-5 47+25=72 alone; -5 38+25=63 alone; -2 28+15=43 alone", ladder.Secure, "Right alone 3 times on 2 days, last on 2 Oct."},
		{"two alone are too few", choose.OneSwapOnes, "-5 47+25=72 alone; -2 28+15=43 alone", ladder.UnderWay, "2 of 2 right. Alone twice on 2 days, a little more is needed."},
		{"two alone and two nudged", choose.OneSwapOnes, "-6 47+25=72 nudged; -5 38+25=63 alone; -3 28+15=43 nudged; -1 36+45=81 alone", ladder.Secure, "Right alone twice on 2 days, last yesterday."},
		{"explaining weighs more", choose.OneSwapOnes, "-5 47+25=72 explains; -5 38+25=63 nudged; 0 28+15=43 explains", ladder.Secure, "Right alone twice on 2 days, last today."},
		{"right by default weighs less than nudged", choose.OneSwapOnes, "-5 47+25=72 alone default; -4 38+25=63 alone default; -3 28+15=43 alone default; -2 36+45=81 alone default", ladder.UnderWay, "4 of 4 right. Not alone yet."},
		{"one wrong among many", choose.OneSwapOnes, "-5 47+25=72 alone; -5 38+25=53 alone; -4 28+15=43 alone; -2 36+45=81 alone", ladder.Secure, "Right alone 3 times on 3 days, wrong once, last on 2 Oct."},
		{"every kind of swap is asked for", choose.OneSwapHigher, "-5 283+154=437 alone; -4 362+275=637 alone; -3 191+254=445 alone", ladder.UnderWay, "3 of 3 right. Alone 3 times; a swap in the hundreds is still to be seen."},
		{"and seen", choose.OneSwapHigher, "-5 283+154=437 alone; -4 362+275=637 alone; -3 1812+1504=3316 alone", ladder.Secure, "Right alone 3 times on 3 days, last on 1 Oct."},
		{"a place that swaps by what comes up", choose.SwapMakesSwap, "-5 248+153=401 alone; -4 248+153=401 alone; -3 1484+1318=2802 alone", ladder.UnderWay, "3 of 3 right. Alone 3 times; a swap in the hundreds is still to be seen."},
		{"tried and never right", choose.OneSwapOnes, "-5 47+25=71 alone; -4 38+25=64 alone", ladder.UnderWay, "Tried twice, not right yet."},
		{"not steady", choose.OneSwapOnes, "-5 47+25=72 alone; -5 38+25=64 alone; -4 28+15=43 alone; -3 36+45=80 alone; -2 19+15=34 alone", ladder.UnderWay, "3 of 5 right. Alone 3 times, not steadily yet."},
		{"one slip explains several", choose.OneSwapOnes, "-5 47+25=62 alone; -4 38+25=53 alone", ladder.Wobbling, "The last 2 answers are wrong, the newest on 30 Sep: 47 + 25 = 62 and 38 + 25 = 53. One slip explains them: what should come up is forgotten."},
		{"it turned wrong after it was secure", choose.OneSwapOnes, "-9 47+25=72 alone; -9 38+25=63 alone; -8 28+15=43 alone; -2 36+45=80 alone; -1 19+15=33 alone", ladder.Wobbling, "2 of the last 4 answers are wrong, the last yesterday: 36 + 45 = 80 and 19 + 15 = 33."},
		{"one wrong answer does not shake it", choose.OneSwapOnes, "-9 47+25=72 alone; -9 38+25=63 alone; -8 28+15=43 alone; -2 36+45=80 alone", ladder.Secure, "Right alone 3 times on 2 days, wrong once, last on 2 Oct."},
		{"no answer is a wrong one", choose.OneSwapOnes, "-9 47+25=72 alone; -9 38+25=63 alone; -8 28+15=43 alone; -2 36+45= alone; -1 19+15= nudged", ladder.Wobbling, "2 of the last 4 answers are wrong, the last yesterday: 36 + 45 = nothing and 19 + 15 = nothing."},
		{"one right answer does not mend it", choose.OneSwapOnes, "-5 47+25=62 alone; -4 38+25=53 alone; -3 28+15=43 alone", ladder.Wobbling, "2 of the last 3 answers are wrong, the last on 1 Oct: 47 + 25 = 62 and 38 + 25 = 53. One slip explains them: what should come up is forgotten."},
		{"two do", choose.OneSwapOnes, "-5 47+25=62 alone; -4 38+25=53 alone; -3 28+15=43 alone; -2 36+45=81 alone", ladder.UnderWay, "2 of 2 right. Alone twice on 2 days, a little more is needed."},
		{"and it has to be earned anew", choose.OneSwapOnes, "-5 47+25=62 alone; -4 38+25=53 alone; -3 28+15=43 alone; -2 36+45=81 alone; -2 19+15=34 alone", ladder.Secure, "Right alone 3 times on 2 days, last on 2 Oct."},
		{"not seen for long", choose.OneSwapOnes, "-40 47+25=72 alone; -40 38+25=63 alone; -35 28+15=43 alone", ladder.CheckAgain, "Secure since 30 Aug, not seen for 5 weeks, nor anything that uses it."},
		{"seen on the last day that counts", choose.OneSwapOnes, "-40 47+25=72 alone; -40 38+25=63 alone; -28 28+15=43 alone", ladder.Secure, "Right alone 3 times on 2 days, last on 6 Sep."},
		{"the day after", choose.OneSwapOnes, "-40 47+25=72 alone; -40 38+25=63 alone; -29 28+15=43 alone", ladder.CheckAgain, "Secure since 5 Sep, not seen for 4 weeks, nor anything that uses it."},
		{"the guide knows better", choose.OneSwapOnes, "-5 47+25=62 alone; -4 38+25=53 alone; -1 guide secure", ladder.Secure, "The guide's own judgement, yesterday. What is worked from now on counts anew."},
		{"later work counts again", choose.OneSwapOnes, "-5 guide secure; -3 47+25=62 alone; -2 38+25=53 alone", ladder.Wobbling, "The last 2 answers are wrong, the newest on 2 Oct: 47 + 25 = 62 and 38 + 25 = 53. One slip explains them: what should come up is forgotten."},
		{"what was before the guide's word is set aside", choose.OneSwapOnes, "-9 47+25=72 alone; -9 38+25=63 alone; -8 28+15=43 alone; -2 guide under-way; -1 36+45=81 alone", ladder.UnderWay, "1 of 1 right. Alone once, on one day only."},
		{"taking away across a zero", choose.AcrossOneZero, "-5 503-128=375 alone; -5 604-237=367 alone; -2 405-178=227 alone", ladder.Secure, "Right alone 3 times on 2 days, last on 2 Oct."},
		{"the same slip in taking", choose.AcrossOneZero, "-5 503-128=285 alone; -3 604-237=277 alone", ladder.Wobbling, "The last 2 answers are wrong, the newest on 1 Oct: 503 − 128 = 285 and 604 − 237 = 277. One slip explains them: the zeros in the way stay as they are."},
	} {
		t.Run(c.name, func(t *testing.T) {
			s := ladder.Standings{}
			if events := history(t, c.stage, c.events); len(events) > 0 {
				s[ladder.Key{Stage: c.stage, Manner: book.Pieces}] = ladder.Judge(c.stage, events)
			}
			leaf := leafOf(s, c.stage)
			lobe := leaf.Lobes[0]
			if lobe.State != c.state {
				t.Errorf("it is %q, wanted %q", lobe.State, c.state)
			}
			if got := breaking(say.Words{}.Reason(lobe, today)); got != c.reason {
				t.Errorf("the reason is\n%s, wanted\n%s", got, c.reason)
			}
		})
	}
}

func leafOf(s ladder.Standings, stage choose.StageID) ladder.Leaf {
	for _, leaf := range s.Vine(ladder.StrandOf(stage), today) {
		if leaf.Stage == stage {
			return leaf
		}
	}
	return ladder.Leaf{}
}

// mastered is three right answers alone on two days, in every kind of swap.
func mastered(stage choose.StageID, manner book.Manner, ago book.Day) ladder.Standing {
	return ladder.Standing{State: ladder.Secure, Grounds: ladder.Grounds{Tried: 3, Right: 3, Alone: 3, Days: 2, Last: today - ago, Since: today - ago}}
}

func standings(manner book.Manner, ago book.Day, stages ...choose.StageID) ladder.Standings {
	s := ladder.Standings{}
	for _, stage := range stages {
		s[ladder.Key{Stage: stage, Manner: manner}] = mastered(stage, manner, ago)
	}
	return s
}

func states(s ladder.Standings, strand ladder.Strand) string {
	var out []string
	for _, leaf := range s.Vine(strand, today) {
		if leaf.State != ladder.NotYet {
			_, name, _ := strings.Cut(string(leaf.Stage), "/")
			out = append(out, name+" "+string(leaf.State))
		}
	}
	return strings.Join(out, ", ")
}

func TestVines(t *testing.T) {
	for _, c := range []struct {
		name   string
		s      ladder.Standings
		strand ladder.Strand
		want   string
	}{
		{"a new child", ladder.Standings{}, ladder.Joining, "first-snake ready, no-swap ready"},
		{"and in taking", ladder.Standings{}, ladder.Taking, "no-swap ready"},
		{"one stage", standings(book.Pieces, 1, choose.NoSwap), ladder.Joining, "first-snake passed, second-snake passed, no-swap secure, one-swap-ones ready"},
		{"the snake is a way of its own", standings(book.Pieces, 1, choose.FirstSnake), ladder.Joining, "first-snake secure, second-snake ready, no-swap ready"},
		{"secure in the head alone readies nothing", standings(book.Head, 1, choose.NoSwap), ladder.Joining, "first-snake passed, second-snake passed, no-swap secure"},
		{"two ways on", standings(book.Pieces, 1, choose.NoSwap, choose.OneSwapOnes), ladder.Joining, "first-snake passed, second-snake passed, no-swap secure, one-swap-ones secure, one-swap-higher ready, new-place ready"},
		{"a stage that was stepped over", standings(book.Pieces, 1, choose.NoSwap, choose.OneSwapHigher), ladder.Joining, "first-snake passed, second-snake passed, no-swap secure, one-swap-ones passed, one-swap-higher secure, several-swaps ready"},
		{"three at once", standings(book.Pieces, 1, choose.SwapMakesSwap, choose.NewPlace), ladder.Joining, "first-snake passed, second-snake passed, no-swap passed, one-swap-ones passed, one-swap-higher passed, several-swaps passed, swap-makes-swap secure, new-place secure"},
		{"not seen for long", standings(book.Pieces, 60, choose.NoSwap), ladder.Joining, "first-snake passed, second-snake passed, no-swap check-again, one-swap-ones ready"},
	} {
		t.Run(c.name, func(t *testing.T) {
			if got := states(c.s, c.strand); got != c.want {
				t.Errorf("it is\n%s, wanted\n%s", got, c.want)
			}
		})
	}
}

// What uses a stage shows it too: the stage need not be checked again.
func TestSeenInWhatUsesIt(t *testing.T) {
	for name, c := range map[string]struct {
		later  ladder.Key
		manner book.Manner // of the old stage
		want   ladder.State
	}{
		"a stage that builds on it":         {ladder.Key{Stage: choose.OneSwapOnes, Manner: book.Pieces}, book.Pieces, ladder.Secure},
		"with less material":                {ladder.Key{Stage: choose.OneSwapOnes, Manner: book.Column}, book.Pieces, ladder.Secure},
		"with more material":                {ladder.Key{Stage: choose.OneSwapOnes, Manner: book.Pieces}, book.Column, ladder.Secure},
		"the same stage, less material":     {ladder.Key{Stage: choose.NoSwap, Manner: book.Column}, book.Pieces, ladder.Secure},
		"the same stage, more material":     {ladder.Key{Stage: choose.NoSwap, Manner: book.Pieces}, book.Column, ladder.Secure},
		"a stage that does not build on it": {ladder.Key{Stage: choose.TakeNoSwap, Manner: book.Pieces}, book.Pieces, ladder.CheckAgain},
	} {
		s := ladder.Standings{
			{Stage: choose.NoSwap, Manner: c.manner}: mastered(choose.NoSwap, c.manner, 60),
			c.later:                                  mastered(c.later.Stage, c.later.Manner, 1),
		}
		got := ladder.NotYet
		for _, lobe := range leafOf(s, choose.NoSwap).Lobes {
			if lobe.Manner == c.manner {
				got = lobe.State
			}
		}
		if got != c.want {
			t.Errorf("%s: %q, wanted %q", name, got, c.want)
		}
	}
}

func TestNextSteps(t *testing.T) {
	for _, c := range []struct {
		name   string
		stage  choose.StageID
		manner book.Manner
		events string
		want   string // the first of them
		why    string
	}{
		{"a wobble in the column goes back", choose.OneSwapOnes, book.Column, "-5 47+25=62 alone; -4 38+25=53 alone",
			"Back to pieces and column, joining: one swap, ones", "The last 2 answers are wrong, the newest on 30 Sep: 47 + 25 = 62 and 38 + 25 = 53. One slip explains them: what should come up is forgotten."},
		{"a wobble with pieces stays there", choose.OneSwapOnes, book.Pieces, "-5 47+25=62 alone; -4 38+25=53 alone",
			"Stay with pieces, joining: one swap, ones", "The last 2 answers are wrong, the newest on 30 Sep: 47 + 25 = 62 and 38 + 25 = 53. One slip explains them: what should come up is forgotten."},
		{"long unseen", choose.OneSwapOnes, book.Pieces, "-40 47+25=72 alone; -40 38+25=63 alone; -35 28+15=43 alone",
			"Check again with pieces, joining: one swap, ones", "Secure since 30 Aug, not seen for 5 weeks, nor anything that uses it."},
		{"under way", choose.OneSwapOnes, book.Drawn, "-2 47+25=72 alone",
			"Go on drawn, joining: one swap, ones", "1 of 1 right. Alone once, on one day only."},
		{"ready", choose.NoSwap, book.Pieces, "-5 42+25=67 alone; -5 31+25=56 alone; -2 21+15=36 alone",
			"Begin with pieces, joining: one swap, ones", "No swap is secure with pieces: right alone 3 times on 2 days, last on 2 Oct."},
		{"who repeats by choice is let be", choose.NoSwap, book.Pieces, "-5 42+25=67 alone; -5 31+25=56 alone; -2 21+15=36 alone run3",
			"Let the child repeat, joining: no swap", "Chosen by the child with pieces, run 3. Nobody who repeats by choice is pushed on."},
	} {
		t.Run(c.name, func(t *testing.T) {
			s := ladder.Standings{{Stage: c.stage, Manner: c.manner}: ladder.Judge(c.stage, history(t, c.stage, c.events))}
			steps := s.NextSteps(today)
			if len(steps) == 0 {
				t.Fatal("there is none")
			}
			do, why := say.Words{}.NextStep(steps[0], s.Proofs(steps[0].Stage), today)
			if do, why = breaking(do), breaking(why); do != c.want || why != c.why {
				t.Errorf("%s\n%s, wanted\n%s\n%s", do, why, c.want, c.why)
			}
			for _, step := range steps {
				if _, _, repeats := s.Repeats(); repeats && step.Kind == ladder.Begin {
					t.Errorf("pushed on to %s", step.Stage)
				}
			}
		})
	}
}

// Where a child repeats by choice shows in the last work alone.
func TestRepeats(t *testing.T) {
	s := ladder.Standings{{Stage: choose.NoSwap, Manner: book.Pieces}: ladder.Judge(choose.NoSwap, history(t, choose.NoSwap, "-5 42+25=67 alone run2"))}
	if _, runs, repeats := s.Repeats(); !repeats || runs != 2 {
		t.Error("a second run by choice is no repeating")
	}
	s[ladder.Key{Stage: choose.OneSwapOnes, Manner: book.Pieces}] = ladder.Judge(choose.OneSwapOnes, history(t, choose.OneSwapOnes, "-1 47+25=72 alone"))
	if k, _, repeats := s.Repeats(); repeats {
		t.Errorf("after other work %v still repeats", k)
	}
}

func TestOverruleNeedsItsReason(t *testing.T) {
	for name, c := range map[string]struct {
		o      ladder.Overrule
		stage  choose.StageID
		manner book.Manner
		want   error
	}{
		"whole":              {ladder.Overrule{State: ladder.Secure, Reason: "right at home time"}, choose.NoSwap, book.Column, nil},
		"no reason":          {ladder.Overrule{State: ladder.Secure, Reason: " \n"}, choose.NoSwap, book.Column, ladder.ErrReason},
		"a long one":         {ladder.Overrule{State: ladder.Secure, Reason: strings.Repeat("a", 401)}, choose.NoSwap, book.Column, ladder.ErrLong},
		"a state of the day": {ladder.Overrule{State: ladder.CheckAgain, Reason: "x"}, choose.NoSwap, book.Column, ladder.ErrState},
		"no such stage":      {ladder.Overrule{State: ladder.Secure, Reason: "x"}, "joining/nowhere", book.Column, ladder.ErrStage},
		"not in this manner": {ladder.Overrule{State: ladder.Secure, Reason: "x"}, choose.FirstSnake, book.Column, ladder.ErrStage},
	} {
		if err := c.o.Valid(c.stage, c.manner); !errors.Is(err, c.want) {
			t.Errorf("%s: %v", name, err)
		}
	}
}

// The plan of the strands is whole: every prerequisite of a built strand is a
// stage of it, none waits for itself, and the first manner has material.
func TestTheStrandsAreWhole(t *testing.T) {
	for _, strand := range ladder.Strands() {
		for i, stage := range ladder.Stages(strand) {
			if ladder.StrandOf(stage.ID) != strand || ladder.BuildsOn(stage.ID, stage.ID) || !stage.Manners[0].WithMaterial() {
				t.Errorf("%+v", stage)
			}
			if stage.Manners[len(stage.Manners)-1] == book.Head && book.StageOf(stage.Example) != stage.ID {
				t.Errorf("%v is no example of %s", stage.Example, stage.ID)
			}
			for _, row := range stage.After {
				for _, id := range row {
					before := slices.IndexFunc(ladder.Stages(strand), func(s ladder.Stage) bool { return s.ID == id })
					if ladder.StrandOf(id) == strand && (before < 0 || before >= i) {
						t.Errorf("%s waits for %s", stage.ID, id)
					}
				}
			}
		}
	}
}

// What builds on what, near and far.
func TestBuildsOn(t *testing.T) {
	for name, c := range map[string]struct {
		stage, earlier choose.StageID
		want           bool
	}{
		"the next":             {choose.OneSwapOnes, choose.NoSwap, true},
		"far back":             {choose.AnySum, choose.NoSwap, true},
		"another strand":       {choose.OneSwapOnes, "places/four-kinds", true},
		"not itself":           {choose.NoSwap, choose.NoSwap, false},
		"not what comes after": {choose.NoSwap, choose.OneSwapOnes, false},
		"not beside":           {choose.NewPlace, choose.SeveralSwaps, false},
		"taking over zeros":    {choose.AnyDifference, choose.TakeOneSwapTens, true},
	} {
		if got := ladder.BuildsOn(c.stage, c.earlier); got != c.want {
			t.Errorf("%s: %t", name, got)
		}
	}
}

// The vines of a whole class are drawn anew at every look.
func BenchmarkVinesOfAClass(b *testing.B) {
	s := standings(book.Pieces, 1, choose.NoSwap, choose.OneSwapOnes, choose.OneSwapHigher, choose.SeveralSwaps, choose.TakeNoSwap, choose.TakeOneSwapTens)
	for b.Loop() {
		for range 24 {
			for _, strand := range ladder.Strands() {
				s.Vine(strand, today)
			}
		}
	}
}

// Laws over seeded histories: judging is the same twice; shown and withdrawn
// work alone never makes secure; nothing is secure by one day.
func TestLawsOfJudging(t *testing.T) {
	rng := rand.New(rand.NewPCG(3, 9))
	for range 3_000 {
		var events []ladder.Event
		days := map[book.Day]bool{}
		for day := today - 30; day <= today; day += book.Day(1 + rng.IntN(6)) {
			a, b := rng.IntN(90)+10, rng.IntN(90)+10
			answer := fmt.Sprint(a + b - rng.IntN(2)*10)
			o := book.Observation{Task: problem.SumOf(num(a), num(b)).Task(), Manner: book.Pieces, Help: book.Helps()[rng.IntN(5)], Answer: answer, Came: book.Typed, Runs: 1, Day: day}
			if o.Right() && (o.Help == book.Alone || o.Help == book.Explains) {
				days[day] = true
			}
			events = append(events, ladder.Event{Observation: o})
		}
		once, twice := ladder.Judge(choose.NewPlace, events), ladder.Judge(choose.NewPlace, slices.Clone(events))
		if !reflect.DeepEqual(once, twice) {
			t.Fatalf("%+v, then %+v", once, twice)
		}
		if once.State == ladder.Secure && len(days) < 2 {
			t.Fatalf("secure by %d days: %+v", len(days), once)
		}
		if once.Grounds.Right > once.Grounds.Tried || once.Grounds.Alone > once.Grounds.Right {
			t.Fatalf("%+v", once.Grounds)
		}
	}
}

func num(n int) place.Number { return place.Number(n) }

// breaking writes a sentence with plain spaces.
func breaking(text string) string { return strings.ReplaceAll(text, "\u00a0", " ") }
