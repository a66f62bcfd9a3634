package ladder_test

import (
	"bytes"
	"errors"
	"fmt"
	"slices"
	"strings"
	"testing"

	"vineswap/core/beads"
	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/number"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/say"
	"vineswap/core/snake"
	"vineswap/core/task"
)

const today = book.Day(20_000) // Friday 4 October 2024

// drawn are problems of a stage, each another one.
func drawn(t testing.TB, stage choose.StageID, n int) []task.Task {
	t.Helper()
	if beads.Has(stage) {
		return beads.Draw(stage, beads.Owned{Stairs: 2, Remainders: true}, nil, n, 11)
	}
	s, err := choose.Choice{Kind: stage.Kind(), Stage: stage, Digits: stage.Fit(nil)}.Space()
	if err != nil {
		t.Fatal(err)
	}
	var out []task.Task
	for _, numbers := range s.Draw(n, 11) {
		out = append(out, problem.Of(stage.Kind(), numbers...).Task())
	}
	return out
}

// history reads "-9 47+25=72 alone; …": days before today, the task and the answer,
// the help, then words such as default, run2, column. "-9 4right alone" are four
// other tasks of the stage, worked rightly, and "-9 2wrong alone" two that are not.
// "-3 guide secure" is the guide's own judgement.
func history(t testing.TB, stage choose.StageID, text string) []ladder.Event {
	t.Helper()
	fresh := drawn(t, stage, 60)
	var events []ladder.Event
	for part := range strings.SplitSeq(text, ";") {
		words := strings.Fields(part)
		if len(words) == 0 {
			continue
		}
		var ago int
		fmt.Sscan(words[0], &ago)
		day := today + book.Day(ago)
		manner := book.Pieces
		for _, m := range book.Manners() {
			if slices.Contains(words, string(m)) {
				manner = m
			}
		}
		if words[1] == "guide" {
			events = append(events, ladder.Judged(ladder.Key{Stage: stage, Manner: manner}, ladder.Overrule{State: ladder.State(words[2]), Reason: "seen at home time", Day: day}))
			continue
		}
		o := book.Observation{Stage: stage, Manner: manner, Help: book.Help(words[2]), Came: book.Typed, Runs: 1, Day: day}
		for _, word := range words[3:] {
			switch {
			case word == "default":
				o.Came = book.Default
			case strings.HasPrefix(word, "run"):
				o.Chosen = true
				fmt.Sscan(word[3:], &o.Runs)
			}
		}
		asked, answer, typed := strings.Cut(words[1], "=")
		if typed {
			p, err := problem.Parse(asked)
			if err != nil {
				t.Fatal(err)
			}
			o.Task, o.Answer = p.Task(), answer
			events = append(events, ladder.Saw(o))
			continue
		}
		var n int
		var how string
		fmt.Sscanf(words[1], "%d%s", &n, &how)
		for range n {
			o.Task, fresh = fresh[0], fresh[1:]
			o.Answer = o.Task.Result()
			if how == "wrong" {
				o.Answer = "1" + o.Answer
			}
			events = append(events, ladder.Saw(o))
		}
	}
	return events
}

// weeks are the school weeks of a class that records something in each of the last.
func weeks(n int) []book.Week {
	var list []book.Week
	for w := today.Week() - book.Week(n); w <= today.Week(); w++ {
		list = append(list, w)
	}
	return list
}

var always = ladder.Class{Weeks: weeks(60)}

func childOf(class ladder.Class, events ...[]ladder.Event) ladder.Child {
	return ladder.Child{Class: class, Standings: ladder.Judge(class, slices.Concat(events...))}
}

// earned is a history that makes a stage secure, so many days ago.
func earned(t testing.TB, stage choose.StageID, ago int, manner book.Manner) []ladder.Event {
	return history(t, stage, fmt.Sprintf("-%d 12right alone %s; -%d 12right alone %s; -%d 12right alone %s", ago+2, manner, ago+1, manner, ago, manner))
}

// Small histories, the standing that they give, and its reason in words.
func TestReasons(t *testing.T) {
	for _, c := range []struct {
		name   string
		stage  choose.StageID
		events string
		state  ladder.State // as it is today
		reason string
	}{
		{"nothing", choose.OneSwapOnes, "", ladder.NotYet, "Nothing is recorded yet."},
		{"shown", choose.OneSwapOnes, "-2 47+25=72 shown", ladder.Shown, "Shown on 2 Oct, not tried yet."},
		{"shown counts for nothing, however often", choose.OneSwapOnes, "-5 4right shown; -2 36+45=81 shown", ladder.Shown, "Shown on 2 Oct, not tried yet."},
		{"worked together", choose.OneSwapOnes, "-2 47+25=72 together", ladder.UnderWay, "¼ of 7 beads: seven more right alone. Nothing right alone yet."},
		{"nudged over many days is not independent", choose.NoSwap, "-9 20right nudged", ladder.UnderWay, "7 of 7 beads. Nothing right alone yet."},
		{"one lucky run", choose.NoSwap, "-2 9right alone", ladder.UnderWay, "7 of 7 beads. Right alone on one day so far: a second day is needed."},
		{"a full string on two days", choose.NoSwap, "-5 4right alone; -2 3right alone", ladder.Secure, "Secure since 2 Oct. Right alone 7 times on 2 days, last on 2 Oct."},
		{"six are too few", choose.NoSwap, "-5 4right alone; -2 2right alone", ladder.UnderWay, "6 of 7 beads: one more right alone."},
		{"half of it nudged", choose.NoSwap, "-5 4right nudged; -2 5right alone; -1 1right explains", ladder.Secure, "Secure since yesterday. Right alone 6 times on 2 days, last yesterday."},
		{"right by default weighs a quarter", choose.NoSwap, "-5 8right alone default", ladder.UnderWay, "2 of 7 beads: five more right alone. Nothing right alone yet."},
		{"the same task counts once a day", choose.OneSwapOnes, "-2 47+25=72 alone; -2 47+25=72 alone run2; -2 47+25=72 alone run3; -1 47+25=72 alone", ladder.UnderWay, "2 of 7 beads: five more right alone."},
		{"one wrong takes three", choose.NoSwap, "-5 4right alone; -4 1wrong alone; -3 1right alone", ladder.UnderWay, "2 of 7 beads: five more right alone. 1 of the last 6 answers is wrong: 59 + 30 = 189."},
		{"a wrong one with a nudge takes less", choose.NoSwap, "-5 4right alone; -4 1wrong nudged", ladder.UnderWay, "2½ of 7 beads: five more right alone. Right alone on one day so far: a second day is needed. 1 of the last 5 answers is wrong: 59 + 30 = 189."},
		{"the floor", choose.NoSwap, "-5 15wrong alone; -4 3right alone", ladder.UnderWay, "0 of 7 beads: seven more right alone. Right alone on one day so far: a second day is needed. 3 of the last 6 answers are wrong: 28 + 11 = 139, 11 + 35 = 146 and 44 + 43 = 187."},
		{"every kind of swap is asked for", choose.OneSwapHigher, "-5 5right alone; -4 4right alone", ladder.UnderWay, "7 of 7 beads. A swap in the hundreds is still to be seen."},
		{"and seen", choose.OneSwapHigher, "-5 5right alone; -4 4right alone; -3 1812+1504=3316 alone", ladder.Secure, "Secure since 1 Oct. Right alone 10 times on 3 days, last on 1 Oct."},
		{"a swap that another one makes", choose.SwapMakesSwap, "-5 4right alone; -4 4right alone", ladder.UnderWay, "7 of 7 beads. A swap in the hundreds caused by the place below is still to be seen."},
		{"one slip explains several", choose.OneSwapOnes, "-5 47+25=62 alone; -4 38+25=53 alone", ladder.UnderWay, "None of 7 beads, and 3 to make up first: ten more right alone. Nothing right alone yet. 2 of the last 2 answers are wrong: 47 + 25 = 62 and 38 + 25 = 53. One slip explains 2 of these 2: the ten that came up was not added."},
		{"it turned wrong after it was secure", choose.NoSwap, "-9 4right alone; -8 3right alone; -2 1wrong alone; -1 1wrong alone", ladder.Wobbling, "1 of 7 beads: secure again with two more right alone. 2 of the last 6 answers are wrong: 20 + 44 = 164 and 41 + 44 = 185."},
		{"one wrong answer does not shake it, and is told", choose.NoSwap, "-9 4right alone; -8 3right alone; -2 1wrong alone", ladder.Secure, "Secure since 26 Sep. Right alone 7 times on 2 days, last on 26 Sep. Wrong once of 8 answers."},
		{"no answer is a wrong one", choose.OneSwapOnes, "-9 4right alone; -8 3right alone; -2 36+45= alone; -1 19+15= alone", ladder.Wobbling, "1 of 7 beads: secure again with two more right alone. 2 of the last 6 answers are wrong: 36 + 45 = nothing and 19 + 15 = nothing."},
		{"two right ones mend it", choose.NoSwap, "-9 4right alone; -8 3right alone; -3 2wrong alone; -1 2right alone", ladder.Secure, "Secure since yesterday. Right alone 9 times on 3 days, last yesterday. Wrong twice of 11 answers."},
		{"one does not", choose.NoSwap, "-9 4right alone; -8 3right alone; -3 2wrong alone; -1 1right alone", ladder.Wobbling, "2 of 7 beads: secure again with one more right alone. 2 of the last 6 answers are wrong: 20 + 44 = 164 and 41 + 44 = 185."},
		{"the guide knows better", choose.OneSwapOnes, "-5 2wrong alone; -1 guide secure", ladder.Secure, "The teacher’s own judgement, yesterday: secure. Only work after it counts from now on."},
		{"later work counts from there, with a full string", choose.NoSwap, "-5 guide secure; -3 1wrong alone", ladder.Secure, "Secure since 29 Sep. The one answer was wrong. Counted from the teacher’s judgement on 29 Sep: secure."},
		{"and wobbles like any other", choose.NoSwap, "-5 guide secure; -3 2wrong alone", ladder.Wobbling, "1 of 7 beads: secure again with two more right alone. 2 of the last 2 answers are wrong: 13 + 12 = 125 and 17 + 60 = 177. Counted from the teacher’s judgement on 29 Sep: secure."},
		{"judged wobbling, and mended", choose.NoSwap, "-5 guide wobbling; -3 2right alone", ladder.Secure, "Secure since 1 Oct. Right alone twice on one day, last on 1 Oct. Counted from the teacher’s judgement on 29 Sep: wobbling."},
		{"judged under way, all is counted anew", choose.NoSwap, "-9 4right alone; -8 3right alone; -2 guide under-way; -1 1right alone", ladder.UnderWay, "1 of 7 beads: six more right alone. Right alone on one day so far: a second day is needed. Counted from the teacher’s judgement on 2 Oct: under way."},
		{"taking away across a zero", choose.AcrossOneZero, "-5 4right alone; -2 3right alone", ladder.Secure, "Secure since 2 Oct. Right alone 7 times on 2 days, last on 2 Oct."},
		{"a slip of taking, and another that fits", choose.TakeOneSwapTens, "-5 61-37=33 alone; -4 50-23=30 alone; -3 40-17=30 alone", ladder.UnderWay, "None of 7 beads, and 3 to make up first: ten more right alone. Nothing right alone yet. 3 of the last 3 answers are wrong: 61 − 37 = 33, 50 − 23 = 30 and 40 − 17 = 30. One slip explains 2 of these 3: 0 take away a digit was given 0."},
	} {
		t.Run(c.name, func(t *testing.T) {
			child := childOf(always, history(t, c.stage, c.events))
			lobe := child.Lobe(ladder.Key{Stage: c.stage, Manner: book.Pieces}, today)
			if lobe.State != c.state {
				t.Errorf("it is %q, wanted %q", lobe.State, c.state)
			}
			if got := breaking(say.Words{}.Reason(c.stage, lobe, today)); got != c.reason {
				t.Errorf("the reason is\n%s, wanted\n%s", got, c.reason)
			}
		})
	}
}

// breaking writes a sentence with plain spaces.
func breaking(text string) string { return strings.ReplaceAll(text, "\u00a0", " ") }

// One kind of swap alone is never secure, and fifteen wrong then three right are
// not; three single digits do not make the highest place secure.
func TestNeverSecure(t *testing.T) {
	for name, c := range map[string]struct {
		stage  choose.StageID
		events string
	}{
		"one kind alone":             {choose.OneSwapHigher, "-9 12right alone; -8 12right alone; -7 12right alone; -6 12right alone"},
		"fifteen wrong, three right": {choose.NoSwap, "-9 15wrong alone; -8 3right alone"},
		"one day alone":              {choose.NoSwap, "-9 40right alone"},
		"three single-digit sums":    {choose.NewPlace, "-9 8+7=15 alone; -8 9+5=14 alone; -7 6+7=13 alone"},
		"and as many as one likes":   {choose.NewPlace, "-9 8+7=15 alone; -9 9+5=14 alone; -9 9+8=17 alone; -8 9+6=15 alone; -7 8+5=13 alone; -7 6+7=13 alone; -7 7+7=14 alone; -7 9+9=18 alone"},
	} {
		if s := childOf(always, history(t, c.stage, c.events)).Standings[ladder.Key{Stage: c.stage, Manner: book.Pieces}]; s.State == ladder.Secure {
			t.Errorf("%s: secure with %+v", name, s)
		}
	}
}

// A task counts where it was chosen for, if that stage's rule accepts it.
func TestCredit(t *testing.T) {
	for _, c := range []struct {
		text         string
		chosen, want choose.StageID
	}{
		{"47+25", choose.OneSwapOnes, choose.OneSwapOnes},
		{"47+25", "", choose.OneSwapOnes},
		{"47+25", choose.NoSwap, choose.OneSwapOnes},
		{"47+25", choose.AnySum, choose.AnySum},
		{"8+7", choose.NewPlace, choose.OverTen},
		{"8+7", "", choose.OverTen},
		{"8+7+9", choose.NewPlace, choose.NewPlace},
		{"8+7+9", "", choose.ThreeAddends},
		{"6,4,7,3", "", snake.First},
		{"6,4,7,3", snake.Second, snake.First},
		{"7,5,8,2", snake.Second, snake.Second},
		{"6+4+7+3", snake.First, snake.First},
		{"6+4+7+3", snake.Second, choose.ThreeAddends},
		{"6+4+7", snake.First, choose.ThreeAddends},
		{"6+4+7+3", "", choose.ThreeAddends},
		{"13-8", choose.TakeOneSwapTens, choose.BackOverTen},
		{"97/4", choose.OneSwapOnes, choose.ShareRemainder},
		{"84/4", choose.ShareEven, choose.ShareEven},
		{"52:4", choose.ShareEven, ""},
		{"47+25", "joining/sideways", choose.OneSwapOnes},
	} {
		asked, err := task.Parse(c.text)
		if err != nil {
			t.Fatal(err)
		}
		if got := ladder.Credit(asked, c.chosen); got != c.want {
			t.Errorf("%s, chosen for %q, counts for %q, wanted %q", c.text, c.chosen, got, c.want)
		}
	}
}

// A class to 1,000 passes a stage without a swap that only larger numbers show.
func TestTheRangeOfAClass(t *testing.T) {
	events := history(t, choose.OneSwapHigher, "-5 4right alone; -4 4right alone")
	for limit, want := range map[place.Number]ladder.State{1_000: ladder.Secure, 10_000: ladder.UnderWay, 0: ladder.UnderWay} {
		class := ladder.Class{Limit: limit, Weeks: weeks(9)}
		if s := childOf(class, events).Standings[ladder.Key{Stage: choose.OneSwapHigher, Manner: book.Pieces}]; s.State != want {
			t.Errorf("numbers to %d: %s, missing %v", limit, s.State, s.Missing)
		}
	}
	class := ladder.Class{Limit: 100, Weeks: weeks(9)}
	var shown []choose.StageID
	for _, stage := range class.Stages(ladder.Joining) {
		shown = append(shown, stage.ID)
	}
	if want := []choose.StageID{choose.WithinTen, choose.OverTen, snake.First, snake.Second, choose.NoSwap, choose.OneSwapOnes, choose.ThreeAddends}; !slices.Equal(shown, want) {
		t.Errorf("numbers to 100 show %v", shown)
	}
	if child := childOf(class, earned(t, choose.OneSwapOnes, 3, book.Pieces)); !strings.Contains(states(child, ladder.Joining), "three-addends ready") {
		t.Errorf("stages without numbers do not count as met: %s", states(child, ladder.Joining))
	}
}

// What is lent by work further up or with less material, and what is not.
func TestBorrowing(t *testing.T) {
	key := ladder.Key{Stage: choose.NoSwap, Manner: book.PiecesAndColumn}
	for _, c := range []struct {
		name   string
		stage  choose.StageID
		events string
		want   float64
	}{
		{"further up", choose.OneSwapOnes, "-5 4right alone pieces-and-column", 2},
		{"with less material", choose.NoSwap, "-5 4right alone column", 2},
		{"both", choose.SeveralSwaps, "-5 4right alone head", 2},
		{"nudged", choose.OneSwapOnes, "-5 4right nudged column", 1},
		{"with more material", choose.NoSwap, "-5 4right alone pieces", 0},
		{"further up with more material", choose.OneSwapOnes, "-5 4right alone pieces", 0},
		{"another strand", choose.TakeNoSwap, "-5 4right alone column", 0},
		{"wrong ones take nothing", choose.OneSwapOnes, "-5 2right alone column; -4 8wrong alone column", 1},
		{"no more than a string holds", choose.OneSwapOnes, "-5 20right alone column; -4 20right alone column", 7},
	} {
		s := childOf(always, history(t, choose.NoSwap, "-9 1right nudged pieces-and-column"), history(t, c.stage, c.events)).Standings[key]
		if got := s.Beads.Float() - .5; got != c.want && (c.want < 7 || s.Beads != ladder.Full) {
			t.Errorf("%s: %.2f are lent, wanted %.2f", c.name, got, c.want)
		}
	}
	// Days and kinds are never borrowed, and nothing borrowed makes a child wobble.
	lent := childOf(always, history(t, choose.NoSwap, "-30 1right alone"), history(t, choose.OneSwapOnes, "-29 20right alone; -28 20right alone"))
	if s := lent.Standings[ladder.Key{Stage: choose.NoSwap, Manner: book.Pieces}]; s.State != ladder.UnderWay || s.Days != 1 || s.Beads != ladder.Full {
		t.Errorf("one own answer: %+v", s)
	}
	fallen := childOf(always, earned(t, choose.NoSwap, 20, book.Pieces), history(t, choose.OneSwapOnes, "-9 20wrong alone"))
	if s := fallen.Standings[ladder.Key{Stage: choose.NoSwap, Manner: book.Pieces}]; s.State != ladder.Secure {
		t.Errorf("wrong further up: %+v", s)
	}
	// A task that is worked with pieces too counts there once, as its own.
	both := childOf(always, history(t, choose.OneSwapOnes, "-5 47+25=72 alone column; -5 47+25=72 alone pieces"))
	if s := both.Standings[ladder.Key{Stage: choose.OneSwapOnes, Manner: book.Pieces}]; s.Beads != ladder.Bead {
		t.Errorf("a twin: %v beads", s.Beads.Float())
	}
}

func leafOf(c ladder.Child, stage choose.StageID) ladder.Leaf {
	for _, leaf := range c.Vine(ladder.StrandOf(stage), today) {
		if leaf.Stage == stage {
			return leaf
		}
	}
	return ladder.Leaf{}
}

func states(c ladder.Child, strand ladder.Strand) string {
	var out []string
	for _, leaf := range c.Vine(strand, today) {
		if leaf.State != ladder.NotYet {
			_, name, _ := strings.Cut(string(leaf.Stage), "/")
			out = append(out, name+" "+string(leaf.State))
		}
	}
	return strings.Join(out, ", ")
}

func secured(t *testing.T, manner book.Manner, stages ...choose.StageID) ladder.Child {
	c := ladder.Child{Class: always, Standings: ladder.Standings{}}
	for _, stage := range stages {
		c.Standings[ladder.Key{Stage: stage, Manner: manner}] = ladder.Standing{State: ladder.Secure, Beads: ladder.Full, Tried: 7, Right: 7, Alone: 7, Days: 2, Last: today - 1, Since: today - 1, Used: today - 1}
	}
	return c
}

func TestVines(t *testing.T) {
	for _, c := range []struct {
		name   string
		child  ladder.Child
		strand ladder.Strand
		want   string
	}{
		{"a new child", secured(t, book.Pieces), ladder.Tens, "one-by-one ready"},
		{"and in joining", secured(t, book.Pieces), ladder.Joining, ""},
		{"counts to ten", secured(t, book.Pieces, number.OneByOne), ladder.Tens, "one-by-one secure, full-ten ready"},
		{"and joins within ten", secured(t, book.Pieces, number.OneByOne), ladder.Joining, "within-ten ready"},
		{"a full ten leads to more", secured(t, book.Pieces, number.FullTen), ladder.Tens, "one-by-one passed, full-ten secure, ten-and-ones ready, whole-tens ready"},
		{"over ten among them", secured(t, book.Pieces, number.FullTen, choose.WithinTen), ladder.Joining, "within-ten secure, over-ten ready, first-snake ready"},
		{"tens and ones lead to two digits", secured(t, book.Pieces, number.TensAndOnes), ladder.Joining, "within-ten ready, first-snake ready, no-swap ready"},
		{"single digits", secured(t, book.Pieces, choose.WithinTen), ladder.Joining, "within-ten secure"},
		{"and back", secured(t, book.Pieces, choose.WithinTen), ladder.Taking, "within-ten ready"},
		{"over ten counts for within ten", secured(t, book.Pieces, choose.OverTen), ladder.Joining, "within-ten passed, over-ten secure, first-snake ready"},
		{"one swap waits for both", secured(t, book.Pieces, choose.NoSwap), ladder.Joining, "within-ten ready, first-snake ready, no-swap secure"},
		{"and has them", secured(t, book.Pieces, choose.NoSwap, choose.OverTen), ladder.Joining, "within-ten passed, over-ten secure, first-snake ready, no-swap secure, one-swap-ones ready"},
		{"secure in the head alone readies nothing", secured(t, book.Head, choose.NoSwap, choose.OverTen), ladder.Joining, "within-ten passed, over-ten secure, first-snake ready, no-swap secure"},
		{"what a secure stage builds on counts as met", secured(t, book.Pieces, choose.OneSwapOnes), ladder.Joining, "within-ten passed, over-ten passed, first-snake ready, no-swap passed, one-swap-ones secure, one-swap-higher ready, new-place ready"},
		{"the snakes are not passed by", secured(t, book.Pieces, choose.SwapMakesSwap), ladder.Joining, "within-ten passed, over-ten passed, first-snake ready, no-swap passed, one-swap-ones passed, one-swap-higher passed, several-swaps passed, swap-makes-swap secure, new-place ready, three-addends ready"},
	} {
		t.Run(c.name, func(t *testing.T) {
			if got := states(c.child, c.strand); got != c.want {
				t.Errorf("it is\n%s, wanted\n%s", got, c.want)
			}
		})
	}
	// Under way further up passes nothing by.
	begun := childOf(always, history(t, choose.SeveralSwaps, "-3 2right alone"))
	if got := states(begun, ladder.Joining); got != "several-swaps under-way" {
		t.Errorf("begun further up: %s", got)
	}
}

// A leaf shows its least settled lobe beside its best.
func TestLeaves(t *testing.T) {
	for _, c := range []struct {
		name        string
		events      [][]ladder.Event
		state, best ladder.State
	}{
		{"one manner", [][]ladder.Event{earned(t, choose.NoSwap, 3, book.Pieces)}, ladder.Secure, ladder.Secure},
		{"secure with pieces, begun in the column", [][]ladder.Event{earned(t, choose.NoSwap, 3, book.Pieces), history(t, choose.NoSwap, "-1 1right alone column")}, ladder.UnderWay, ladder.Secure},
		{"secure, and shown in the column", [][]ladder.Event{earned(t, choose.NoSwap, 3, book.Pieces), history(t, choose.NoSwap, "-1 1right shown column")}, ladder.Shown, ladder.Secure},
		{"wobbling in the column", [][]ladder.Event{earned(t, choose.NoSwap, 9, book.Pieces), earned(t, choose.NoSwap, 5, book.Column), history(t, choose.NoSwap, "-1 3wrong alone column")}, ladder.Wobbling, ladder.Secure},
		{"under way alone", [][]ladder.Event{history(t, choose.NoSwap, "-1 1right alone column")}, ladder.UnderWay, ladder.UnderWay},
	} {
		leaf := leafOf(childOf(always, c.events...), choose.NoSwap)
		if leaf.State != c.state || leaf.Best != c.best {
			t.Errorf("%s: %s beside %s", c.name, leaf.State, leaf.Best)
		}
	}
}

// After 4, then 8, then 16 school weeks; only a right answer alone ends it.
func TestCheckAgain(t *testing.T) {
	key := ladder.Key{Stage: choose.NoSwap, Manner: book.Pieces}
	at := func(class ladder.Class, day book.Day, events ...[]ladder.Event) ladder.Lobe {
		return childOf(class, events...).Lobe(key, day)
	}
	start := int(today) - 2*7*30 // long enough ago
	class := ladder.Class{Weeks: weeks(60)}
	from := book.Day(start)
	secure := earned(t, choose.NoSwap, int(today-from), book.Pieces)
	seen := func(weeksOn int, text string) []ladder.Event {
		return history(t, choose.NoSwap, fmt.Sprintf("-%d %s", int(today-from)-7*weeksOn, text))
	}
	for _, c := range []struct {
		name    string
		weeksOn int
		events  [][]ladder.Event
		want    ladder.State
	}{
		{"after four weeks", 4, nil, ladder.Secure},
		{"after four whole weeks", 5, nil, ladder.CheckAgain},
		{"a right answer alone ends it", 6, [][]ladder.Event{seen(5, "47+21=68 alone")}, ladder.Secure},
		{"then eight", 5 + 8, [][]ladder.Event{seen(5, "47+21=68 alone")}, ladder.Secure},
		{"and one more", 5 + 9, [][]ladder.Event{seen(5, "47+21=68 alone")}, ladder.CheckAgain},
		{"then sixteen", 14 + 16, [][]ladder.Event{seen(5, "47+21=68 alone"), seen(14, "35+21=56 alone")}, ladder.Secure},
		{"and one more of those", 14 + 17, [][]ladder.Event{seen(5, "47+21=68 alone"), seen(14, "35+21=56 alone")}, ladder.CheckAgain},
		{"sixteen from then on", 31 + 17, [][]ladder.Event{seen(5, "47+21=68 alone"), seen(14, "35+21=56 alone"), seen(31, "33+21=54 alone")}, ladder.CheckAgain},
		{"nudged does not end it", 6, [][]ladder.Event{seen(5, "47+21=68 nudged")}, ladder.CheckAgain},
		{"a wrong one does not", 6, [][]ladder.Event{seen(5, "47+21=67 alone")}, ladder.CheckAgain},
		{"and counts as wrong", 6, [][]ladder.Event{seen(5, "47+21=67 alone"), seen(5, "37+21=57 alone")}, ladder.Wobbling},
		{"worked before it was due, four from there", 4 + 3, [][]ladder.Event{seen(3, "47+21=68 nudged")}, ladder.Secure},
		{"and one more of these", 4 + 4, [][]ladder.Event{seen(3, "47+21=68 nudged")}, ladder.CheckAgain},
		{"shown is not worked", 5, [][]ladder.Event{seen(3, "47+21=68 shown")}, ladder.CheckAgain},
	} {
		if got := at(class, from+book.Day(7*c.weeksOn), append([][]ladder.Event{secure}, c.events...)...); got.State != c.want {
			t.Errorf("%s: %s, %+v", c.name, got.State, got)
		}
	}
	holidays := ladder.Class{Weeks: []book.Week{from.Week(), from.Week() + 1, from.Week() + 2, today.Week()}}
	if got := at(holidays, today, secure); got.State != ladder.Secure {
		t.Errorf("weeks in which nothing was recorded are counted: %+v", got)
	}
	// By manner: what uses it keeps it fresh, another manner with more material does not.
	for name, c := range map[string]struct {
		later ladder.Key
		want  ladder.State
	}{
		"a stage that builds on it":         {ladder.Key{Stage: choose.OneSwapOnes, Manner: book.Pieces}, ladder.Secure},
		"with less material":                {ladder.Key{Stage: choose.NoSwap, Manner: book.Column}, ladder.Secure},
		"both":                              {ladder.Key{Stage: choose.OneSwapOnes, Manner: book.Head}, ladder.Secure},
		"a stage that does not build on it": {ladder.Key{Stage: choose.TakeNoSwap, Manner: book.Column}, ladder.CheckAgain},
	} {
		later := history(t, c.later.Stage, fmt.Sprintf("-%d 1right alone %s", int(today-from)-7*4, c.later.Manner))
		if got := at(class, from+7*6, secure, later); got.State != c.want {
			t.Errorf("%s: %s", name, got.State)
		}
	}
	column := earned(t, choose.NoSwap, int(today-from), book.Column)
	pieces := history(t, choose.NoSwap, fmt.Sprintf("-%d 1right alone pieces", int(today-from)-7*4))
	if got := childOf(class, column, pieces).Lobe(ladder.Key{Stage: choose.NoSwap, Manner: book.Column}, from+7*6); got.State != ladder.CheckAgain {
		t.Errorf("work with pieces keeps the column fresh: %s", got.State)
	}
	lobe := at(class, from+7*6, secure, seen(5, "47+21=67 alone"))
	if got := (say.Words{}).Reason(choose.NoSwap, lobe, from+7*6); got != "Secure since 10 Aug. Not worked for 4 school weeks after 11 Aug, nor anything that uses it. Looked at again once, on 15 Sep, and not right alone." {
		t.Errorf("the reason is %s", got)
	}
}

func TestNextSteps(t *testing.T) {
	wobbly := "-19 4right alone %s; -18 3right alone %s; -5 47+25=62 alone %s; -4 38+25=53 alone %s"
	in := func(text string, m book.Manner) string { return strings.ReplaceAll(text, "%s", string(m)) }
	because := "1 of 7 beads: secure again with two more right alone. 2 of the last 6 answers are wrong: 47 + 25 = 62 and 38 + 25 = 53. One slip explains 2 of these 2: the ten that came up was not added."
	for _, c := range []struct {
		name   string
		stage  choose.StageID
		events string
		want   string // the first of them
		why    string
	}{
		{"a wobble in the column goes back", choose.OneSwapOnes, in(wobbly, book.Column), "Back to pieces and column, adding: one swap, ones", because},
		{"a wobble with pieces stays there", choose.OneSwapOnes, in(wobbly, book.Pieces), "Stay with pieces, adding: one swap, ones", because},
		{"one slip again and again goes back too", choose.OneSwapOnes, "-5 47+25=62 alone column; -4 38+25=53 alone column; -3 28+15=33 alone column", "Back to pieces and column, adding: one swap, ones",
			"None of 7 beads, and 3 to make up first: ten more right alone. Nothing right alone yet. 3 of the last 3 answers are wrong: 47 + 25 = 62, 38 + 25 = 53 and 28 + 15 = 33. One slip explains 3 of these 3: the ten that came up was not added."},
		{"under way", choose.OneSwapOnes, "-2 47+25=72 alone drawn", "Go on drawn, adding: one swap, ones", "1 of 7 beads: six more right alone. Right alone on one day so far: a second day is needed."},
		{"could leave the pieces", choose.OverTen, "-5 4right alone; -2 4right alone", "Try one drawn, adding: over ten", "Secure with pieces, the last eight right alone: on one day one with pieces and one drawn. The pieces stay in reach."},
		{"ready", choose.OverTen, "-5 4right alone; -2 4right alone; -1 1right nudged", "Begin with pieces, tens and ones: ten and ones", "A full ten counts as met: a later stage that uses it is secure."},
		{"who chose something today is let be", choose.NoSwap, "-5 4right alone; 0 4right alone run2", "Let the child repeat it, adding: no swap", "The child chose this today, with pieces, for the second time. A child who repeats by choice is not moved on that day."},
		{"yesterday's choice holds nobody back", choose.NoSwap, "-5 4right alone; -1 2right alone run2", "Go on with pieces, adding: no swap", "6 of 7 beads: one more right alone."},
	} {
		t.Run(c.name, func(t *testing.T) {
			child := childOf(always, history(t, c.stage, c.events))
			steps := child.NextSteps(today)
			if len(steps) == 0 {
				t.Fatal("there is none")
			}
			do, why := say.Words{}.NextStep(steps[0], child.Proofs(steps[0].Stage, today), today)
			if do, why = breaking(do), breaking(why); do != c.want || why != c.why {
				t.Errorf("%s\n%s, wanted\n%s\n%s", do, why, c.want, c.why)
			}
			if _, _, repeats := child.Repeats(today); repeats && slices.ContainsFunc(steps, func(s ladder.NextStep) bool { return s.Kind == ladder.Begin || s.Kind == ladder.GoOn }) {
				t.Errorf("pushed on: %+v", steps)
			}
		})
	}
}

// When stages arrive: what builds on them and is secure meets them, what was ready
// stays ready, and work with two digits meets them for good.
func TestArrival(t *testing.T) {
	arriving := []choose.StageID{choose.WithinTen, choose.OverTen, choose.TakeWithinTen, choose.BackOverTen}
	older := childOf(always, earned(t, choose.NoSwap, 3, book.Pieces))
	met, open := older.Arrive(arriving, history(t, choose.NoSwap, "-3 42+25=67 alone"))
	if !slices.Equal(met, arriving) || len(open) > 0 {
		t.Errorf("with two digits: met %v, open %v", met, open)
	}
	older.Met = map[choose.StageID]bool{}
	for _, id := range met {
		older.Met[id] = true
	}
	if got := states(older, ladder.Joining); got != "first-snake ready, no-swap secure, one-swap-ones ready" {
		t.Errorf("older child: %s", got)
	}
	if got := states(older, ladder.Taking); got != "no-swap ready" {
		t.Errorf("older child: %s", got)
	}
	if why := (say.Words{}).LeafReason(older, leafOf(older, choose.OverTen), today); why != say.TakenAsMet {
		t.Errorf("the reason is %s", why)
	}
	// Its own wobble undoes it.
	older.Standings[ladder.Key{Stage: choose.OverTen, Manner: book.Pieces}] = ladder.Standing{State: ladder.Wobbling, Last: today, Since: today}
	if got := states(older, ladder.Joining); strings.Contains(got, "one-swap-ones ready") {
		t.Errorf("over ten wobbles, and %s", got)
	}
	// A child without two digits keeps open what was ready; the stage comes before it.
	younger := childOf(always, earned(t, choose.NoSwap, 3, book.Pieces))
	met, open = younger.Arrive(arriving, history(t, choose.WithinTen, "-3 4+2=6 alone"))
	if len(met) > 0 || !slices.Equal(open, []choose.StageID{choose.OneSwapOnes}) {
		t.Errorf("without two digits: met %v, open %v", met, open)
	}
	younger.Open = map[choose.StageID]bool{choose.OneSwapOnes: true}
	if got := states(younger, ladder.Joining); !strings.Contains(got, "one-swap-ones ready") {
		t.Errorf("what was ready is %s", got)
	}
}

func TestOverrules(t *testing.T) {
	whole := ladder.Overrule{State: ladder.Secure, Reason: "did it at the market stall", Day: 1}
	key := ladder.Key{Stage: choose.OneSwapOnes, Manner: book.Pieces}
	for name, c := range map[string]struct {
		key   ladder.Key
		spoil func(*ladder.Overrule)
		want  error
	}{
		"whole":            {key, func(*ladder.Overrule) {}, nil},
		"no reason":        {key, func(o *ladder.Overrule) { o.Reason = "  " }, ladder.ErrReason},
		"a novel":          {key, func(o *ladder.Overrule) { o.Reason = strings.Repeat("a", 401) }, ladder.ErrLong},
		"ready":            {key, func(o *ladder.Overrule) { o.State = ladder.Ready }, ladder.ErrState},
		"a snake drawn":    {ladder.Key{Stage: snake.First, Manner: book.Drawn}, func(*ladder.Overrule) {}, ladder.ErrStage},
		"single in column": {ladder.Key{Stage: choose.WithinTen, Manner: book.Column}, func(*ladder.Overrule) {}, ladder.ErrStage},
		"no stage":         {ladder.Key{Stage: "joining/sideways", Manner: book.Pieces}, func(*ladder.Overrule) {}, ladder.ErrStage},
	} {
		o := whole
		c.spoil(&o)
		if err := o.Valid(c.key); !errors.Is(err, c.want) {
			t.Errorf("%s: %v", name, err)
		}
	}
}

// Each stage has manners, its example is one of its own, and what comes before it
// is a stage of an earlier row or of a strand that is not built.
func TestStages(t *testing.T) {
	seen := map[choose.StageID]bool{}
	for _, strand := range ladder.Strands() {
		for _, stage := range ladder.Stages(strand) {
			seen[stage.ID] = true
			if len(stage.Manners) == 0 || !stage.Accepts(stage.Example) || ladder.StrandOf(stage.ID) != strand {
				t.Errorf("%s: %+v", stage.ID, stage)
			}
			for _, row := range stage.After {
				for _, id := range row {
					if _, built := ladder.StageByID(id); built && !seen[id] {
						t.Errorf("%s comes before %s and after it", id, stage.ID)
					}
				}
			}
		}
	}
	if len(seen) != 41 {
		t.Errorf("%d stages", len(seen))
	}
}

// Judging goes on from wherever it was broken off, also after it was written down:
// after each event it stands as if all had been judged at once.
func TestJudgingGoesOn(t *testing.T) {
	for seed := range uint64(24) {
		class, events := seeded(t, seed)
		fold := ladder.NewFold(class)
		for n, e := range events {
			if !fold.Follows(e) {
				t.Fatalf("seed %d: event %d comes after the one before it", seed, n)
			}
			fold.Take(e)
			s, now := fold.Standing(e.Key), ladder.Judge(class, events[:n+1])[e.Key]
			if s.State != now.State || s.Beads != now.Beads || s.Since != now.Since {
				t.Fatalf("seed %d: after %d events %+v, by themselves %+v", seed, n, s, now)
			}
			data, err := fold.MarshalBinary()
			if err != nil {
				t.Fatal(err)
			}
			if fold, err = ladder.ReadFold(class, data); err != nil {
				t.Fatal(err)
			}
			if again, _ := fold.MarshalBinary(); !bytes.Equal(again, data) {
				t.Fatalf("seed %d, after %d events: written again it is another one:\n%x\n%x", seed, n+1, data, again)
			}
		}
		if got, want := fmt.Sprintf("%+v", fold.Standings()), fmt.Sprintf("%+v", ladder.Judge(class, events)); got != want {
			t.Fatalf("seed %d: %s\nat once: %s", seed, got, want)
		}
	}
}

// What happened before the last event cannot be judged by going on.
func TestAnEarlierEventDoesNotFollow(t *testing.T) {
	fold := ladder.NewFold(ladder.Class{})
	at := func(day book.Day, seq int64) ladder.Event {
		return ladder.Event{Key: ladder.Key{Stage: choose.NoSwap, Manner: book.Pieces}, Overrule: &ladder.Overrule{State: ladder.Secure, Day: day}, Seq: seq}
	}
	fold.Take(at(today, 7))
	for e, follows := range map[ladder.Event]bool{at(today, 8): true, at(today+1, 9): true, at(today-1, 9): false, at(today, 6): false} {
		if fold.Follows(e) != follows {
			t.Errorf("day %v, %d: %v", e.Day(), e.Seq, !follows)
		}
	}
}

// What is no fold is refused, whatever it is.
func FuzzReadFold(f *testing.F) {
	class, events := seeded(f, 5)
	fold := ladder.NewFold(class)
	for _, e := range events {
		fold.Take(e)
	}
	whole, err := fold.MarshalBinary()
	if err != nil {
		f.Fatal(err)
	}
	for _, seed := range [][]byte{whole, whole[:len(whole)/2], append(slices.Clone(whole), 0), {}, {1, 0, 0, 0}, {2}} {
		f.Add(seed)
	}
	f.Fuzz(func(t *testing.T, data []byte) {
		read, err := ladder.ReadFold(class, data)
		if err != nil {
			return
		}
		again, err := read.MarshalBinary()
		if err != nil {
			t.Fatal(err)
		}
		if _, err := ladder.ReadFold(class, again); err != nil {
			t.Fatalf("%x is read and %x is not", data, again)
		}
	})
}

// Going on costs the same after years as on the first day.
func BenchmarkOneEventMore(b *testing.B) {
	class, _ := seeded(b, 3)
	fold := ladder.NewFold(class)
	var last ladder.Event
	for seed := range uint64(40) {
		_, more := seeded(b, seed)
		for _, last = range more {
			fold.Take(last)
		}
	}
	data, err := fold.MarshalBinary()
	if err != nil {
		b.Fatal(err)
	}
	for b.Loop() {
		fold, err := ladder.ReadFold(class, data)
		if err != nil {
			b.Fatal(err)
		}
		fold.Take(last)
		if _, err := fold.MarshalBinary(); err != nil {
			b.Fatal(err)
		}
	}
	b.ReportMetric(float64(len(data)), "bytes")
}
