package say_test

import (
	"fmt"
	"math/rand/v2"
	"regexp"
	"slices"
	"strings"
	"testing"

	"vineswap/core/choose"
	"vineswap/core/material"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/say"
	"vineswap/core/swap"
	"vineswap/core/trace"
)

func traced(t testing.TB, text string) swap.Trace {
	t.Helper()
	p, err := problem.Parse(text)
	if err != nil {
		t.Fatal(err)
	}
	tr, err := swap.Solve(p)
	if err != nil {
		t.Fatal(err)
	}
	return tr
}

func told(lines []say.Line) []string {
	out := make([]string, len(lines))
	for i, l := range lines {
		out[i] = l.Do + " | " + l.String()
	}
	return out
}

func TestTheStoryOfASum(t *testing.T) {
	want := []string{
		"Estimate | About how much will it be? Say it, write it down, lock it.",
		"Lay out | Three trays: one for each number and one for the total.",
		"Build 208 | 208: two hundreds, no tens and eight ones.",
		"Label the tray | Small cards: 200 and 8. Laid together they read 208.",
		"Build 95 | 95: nine tens and five ones.",
		"Label the tray | Small cards: 90 and 5. Laid together they read 95.",
		"Push together | Everything is pushed together: ones with ones, tens with tens and hundreds with hundreds.",
		"Count the ones | Eight ones plus five ones. Count to ten, and stop.",
		"Gather ten ones | Ten ones. Stop. They are the same as one ten.",
		"Swap for one ten | Ten ones swap for one ten. It joins the tens.",
		"Lay the card 3 | Three ones stay: the card 3.",
		"Count the tens | No tens plus nine tens, and one ten that came up. Count to ten, and stop.",
		"Gather ten tens | Ten tens. Stop. They are the same as one hundred.",
		"Swap for one hundred | Ten tens swap for one hundred. It joins the hundreds.",
		"Write 0 | No tens stay, so no card is laid and 0 is written.",
		"Count the hundreds | Two hundreds, and one hundred that came up: three hundreds.",
		"Lay the card 300 | Three hundreds: the card 300.",
		"Slide the cards together | 300 and 3 slide together and read 303.",
		"Read the number | Three hundred three.",
		"Say it back | 208 and 95 were joined. Together they are 303.",
		"Put it in a sentence | “Together there are 303 ….” Say what was counted.",
		"Count the pieces | 24 pieces were joined. Two swaps leave 18 fewer. So 6 pieces must lie here now.",
		"Check another way | Take 95 away from 303 again: 208 must be left.",
	}
	got := told(say.Words{}.Trace(traced(t, "208+95")))
	for i := range max(len(got), len(want)) {
		if i >= len(got) || i >= len(want) || got[i] != want[i] {
			t.Fatalf("line %d:\n got %q\nwant %q", i, got[min(i, len(got)-1)], want[min(i, len(want)-1)])
		}
	}
}

func TestSentences(t *testing.T) {
	for _, c := range []struct {
		name, sum string
		words     say.Words
		want      string
	}{
		{"units", "47+25", say.Words{Places: say.Units}, "Swap for one ten | Ten units swap for one ten. It joins the tens."},
		{"trade", "47+25", say.Words{Swap: say.Trade}, "Trade for one ten | Ten ones trade for one ten. It joins the tens."},
		{"exchange", "47+25", say.Words{Swap: say.Exchange}, "Exchange for one ten | Ten ones are exchanged for one ten. It joins the tens."},
		{"regroup", "47+25", say.Words{Swap: say.Regroup}, "Regroup as one ten | Ten ones regroup as one ten. It joins the tens."},
		{"carry", "47+25", say.Words{Swap: say.Carry}, "Carry over as one ten | Ten ones carry over as one ten. It joins the tens."},
		{"borrow", "62-38", say.Words{Swap: say.Carry}, "Borrow ten ones | One ten is borrowed as ten ones."},
		{"borrows counted", "503-128", say.Words{Swap: say.Carry}, "Count the pieces | 8 pieces were laid. Two borrows bring 18 more. 11 pieces were taken away. So 15 pieces must lie here now."},
		{"rename", "47+25", say.Words{Swap: say.Rename}, "Rename as one ten | Ten ones are renamed as one ten. It joins the tens."},
		{"with and", "400+107", say.Words{And: true}, "Read the number | Five hundred and seven."},
		{"a new place", "67+58", say.Words{}, "Count the hundreds | One hundred came up. It opens a new place."},
		{"one stays", "6+5", say.Words{}, "Lay the card 1 | One one stays: the card 1."},
		{"nothing at all", "0+0", say.Words{}, "Write 0 | There are no ones here, so no card is laid and 0 is written."},
		{"no card to slide", "0+0", say.Words{}, "Slide the cards together | Nothing lies here, so 0 is written."},
		{"a number alone in its place", "240+5", say.Words{}, "Count the hundreds | Two hundreds."},
		{"digits by face value", "1407+25", say.Words{Digits: say.FaceValue}, "Build 1407 | 1407: one, four, zero and seven."},
		{"counted by face value", "47+25", say.Words{Digits: say.FaceValue}, "Count the ones | Seven plus five. Count to ten, and stop."},
		{"teens by their tens", "9+4", say.Words{Teens: say.TenAnd}, "Read the number | Ten-three."},
		{"a comma", "1458+2367", say.Words{Comma: say.WithComma}, "Say it back | 1,458 and 2,367 were joined. Together they are 3,825."},
		{"a space", "1458+2367", say.Words{Comma: say.WithSpace}, "Lay the card 3\u00a0000 | Three thousands: the card 3\u00a0000."},
		{"bars and squares", "95+10", say.Words{Places: say.Bars}, "Swap for one square | Ten bars swap for one square. It joins the squares."},
		{"sticks by their kind", "12+3", say.Words{Places: say.Sticks}, "Build 12 | 12: one stick and two small cubes."},
		{"no piece above the cube", "12000+3", say.Words{Places: say.Sticks}, "Lay the card 10000 | One ten-thousand: the card 10000."},
		{"make ten first", "18+29+12", say.Words{}, "Count the ones | Eight ones plus two ones first, because they make ten ones, then nine ones. Count to ten, and stop."},
		{"three that make ten", "12+13+15", say.Words{}, "Count the ones | Two ones, three ones and five ones make ten ones. Count to ten, and stop."},
		{"a double first", "16+14+16", say.Words{}, "Count the ones | Six ones plus four ones first, because they make ten ones, then six ones. Count to ten, and stop."},
		{"a double", "16+17+16", say.Words{}, "Count the ones | Six ones plus six ones first, because they are a double, then seven ones. Count to ten, and stop."},
		{"the largest first", "12+19+14", say.Words{Digits: say.FaceValue}, "Count the ones | The largest first: nine, four and two. Count to ten, and stop."},
		{"already the largest first", "14+13+11", say.Words{}, "Count the ones | As they are written, the largest first: four ones, three ones and one one: eight ones."},
		{"equal trays", "213*3", say.Words{}, "Count the tens | Three times one ten: three tens."},
		{"trays with what came up", "47*3", say.Words{}, "Count the tens | Three times four tens, and two tens that came up. Count to ten, and stop."},
		{"look by face value", "62-38", say.Words{Digits: say.FaceValue}, "Look at the ones | Two, and eight to take: not enough."},
		{"taken by face value", "62-38", say.Words{Digits: say.FaceValue}, "Take eight away | Eight are taken from twelve."},
		{"left by face value", "62-38", say.Words{Digits: say.FaceValue}, "Lay the card 20 | Two are left in the tens: the card 20."},
		{"stays by face value", "47+24", say.Words{Digits: say.FaceValue}, "Lay the card 1 | One stays in the ones: the card 1."},
		{"one is left", "8-7", say.Words{}, "Put it in a sentence | “1 … is left.” Say what was counted."},
		{"nothing is left", "47-47", say.Words{}, "Put it in a sentence | “No … are left.” Say what was counted."},
		{"pieces taken", "503-128", say.Words{}, "Count the pieces | 8 pieces were laid. Two swaps bring 18 more. 11 pieces were taken away. So 15 pieces must lie here now."},
		{"put back", "503-128", say.Words{}, "Put everything together again | 128 is put back: four hundreds, nine tens and thirteen ones."},
		{"up again as one", "4000-1", say.Words{}, "Swap for one thousand | Nine hundreds, nine tens and ten ones swap for one thousand."},
		{"up again", "78:6", say.Words{}, "Swap for seven tens | Seventy ones swap for seven tens."},
		{"and compared", "97/4", say.Words{}, "Compare | 97 lies here again, so 24 remainder 1 is right."},
		{"a rest in the sentence", "97/4", say.Words{}, "Put it in a sentence | “Each gets 24 …, and one is left over.” Say what was counted."},
		{"groups in the sentence", "78:6", say.Words{}, "Put it in a sentence | “There are 13 groups of six … in 78.” Say what was counted."},
		{"the sharers' cards", "96/4", say.Words{}, "Lay the sharers' cards | Each lays small cards. They must all read 24."},
		{"three joined again", "28+19+15", say.Words{}, "Check another way | Join them from the last to the first, 15, 19 and 28: they must make 62 again."},
		{"in steps", "213*3", say.Words{}, "Check another way | Count in steps of 213: 213, 426 and 639."},
		{"three numbers", "20+30+40", say.Words{}, "Say it back | 20, 30 and 40 were joined. Together they are 90."},
	} {
		t.Run(c.name, func(t *testing.T) {
			tr := traced(t, c.sum)
			if strings.HasSuffix(c.name, "as one") {
				tr, _ = swap.By(trace.Method{Zeros: trace.AsOne}, tr.Problem)
			}
			if got := told(c.words.Trace(tr)); !slices.Contains(got, c.want) {
				t.Errorf("no line %q in\n%s", c.want, strings.Join(got, "\n"))
			}
		})
	}
}

func everyWords() []say.Words {
	var all []say.Words
	for _, s := range append(say.SwapWords(), "") {
		for _, p := range append(say.PlaceWords(), "") {
			for i := range 4 { // the other settings in turn with both sides of “and”
				all = append(all, say.Words{Swap: s, Places: p, And: i%2 == 1, Digits: say.DigitWords()[i/2], Teens: say.TeenWords()[i%2], Comma: say.Separators()[i%3]})
			}
		}
	}
	return all
}

var faults = regexp.MustCompile(`%!|  |\b(one|a|an) \w+s\b(?: came|\.)|(?i:\b(two|three|four|five|six|seven|eight|nine|ten) (one|unit|ten|hundred|thousand)\b)| ,|\.\.|^[a-z]|\(|still`)

// tensFirst is a number said by its tens.
var tensFirst = regexp.MustCompile(`(?i)\bten-\w+|\w+-tens( \w+)?|\w+ty-\w+`)

// plainFault finds a doubled word, a wrong plural or an unfilled slot.
func plainFault(sentence string) string {
	// A ten-thousand is one place, and no ten.
	sentence = strings.NewReplacer("ten-thousand", "myriad", "hundred-thousand", "lakh").Replace(sentence)
	sentence = tensFirst.ReplaceAllString(sentence, "Many") // "ten-one ones" are eleven
	if found := faults.FindString(sentence); found != "" && !strings.Contains(sentence, "thousand ") {
		return found
	}
	words := strings.FieldsFunc(strings.ToLower(sentence), func(r rune) bool { return r == ' ' || r == ',' || r == '.' })
	for i := 1; i < len(words); i++ {
		if words[i] == words[i-1] && words[i] != "one" && words[i][0] > '9' {
			return words[i] + " " + words[i]
		}
	}
	return ""
}

// No sentence has a doubled word, a wrong plural or an unfilled slot, in any
// combination of settings.
func TestSentencesAreWhole(t *testing.T) {
	rng := rand.New(rand.NewPCG(1, 2))
	seen := map[string]bool{}
	for range 150 {
		a, b := place.Number(rng.IntN(5_000)), place.Number(rng.IntN(5_000))
		by := place.Number(2 + rng.IntN(8))
		p := []problem.Problem{
			problem.SumOf(a, b), problem.SumOf(a, b, by), problem.DifferenceOf(max(a, b), min(a, b)), problem.DifferenceOf(max(a, b)/100*100, min(a, b)/100*99),
			{Kind: problem.Sharing, Numbers: []place.Number{a, by}}, {Kind: problem.Grouping, Numbers: []place.Number{a % 200, by}},
			{Kind: problem.Trays, Numbers: []place.Number{a, by}},
		}[rng.IntN(7)]
		method := trace.Method{Order: []trace.Order{trace.AsNeeded, trace.SwapsFirst}[rng.IntN(2)], Zeros: []trace.Zeros{trace.PlaceByPlace, trace.AsOne}[rng.IntN(2)], When: []trace.When{trace.AtTen, trace.AfterColumn}[rng.IntN(2)]}
		tr, err := swap.By(method, p)
		if err != nil {
			t.Fatal(err)
		}
		for _, w := range everyWords() {
			for i, line := range w.Trace(tr) {
				kind := tr.Steps[i].Kind
				if kind == swap.ReadOut || w.Digits == say.FaceValue && (kind == swap.Build || kind == swap.CountUp) {
					continue // a number's words are tested in place, and digits said alone may repeat
				}
				if seen[line.String()] {
					continue
				}
				seen[line.String()] = true
				if found := plainFault(line.String()); found != "" || line.Do == "" || line.String() == "" {
					t.Fatalf("%v, %+v, %+v: %q in %q", p, method, w, found, line)
				}
			}
		}
	}
}

func TestFaultsAreFound(t *testing.T) {
	for _, bad := range []string{"Two ten stay.", "Ten ones ones.", "%!d(string=x) here.", "one tens.", "lower case."} {
		if plainFault(bad) == "" {
			t.Errorf("%q passed", bad)
		}
	}
}

func TestCaused(t *testing.T) {
	for sum, want := range map[string]string{
		"1458+2367": "15 ones: ten swap for one ten, 5 stay.",
		"5+5":       "10 ones: ten swap for one ten, nothing stays.",
		"6+5":       "11 ones: ten swap for one ten, 1 stays.",
		"9+9+9":     "27 ones: twenty swap for two tens, 7 stay.",
	} {
		if got := (say.Words{}).GaveUp(traced(t, sum).Columns[0]); got != want {
			t.Errorf("%s: %q, want %q", sum, got, want)
		}
	}
	if got := (say.Words{}).GaveUp(traced(t, "57+48").Columns[1]); got != "10 tens, only because of what comes up: ten swap for one hundred, nothing stays." {
		t.Error(got)
	}
}

// Every stage, caution, wish and count has words, and the swap word reaches
// all labels that name it.
func TestNamesFollowTheSetting(t *testing.T) {
	w := say.Words{Swap: say.Exchange, Places: say.Units}
	for _, c := range []struct{ got, want string }{
		{w.Stage(choose.OneSwapOnes), "one exchange, units"},
		{w.Stage(choose.SwapMakesSwap), "one exchange causes the next"},
		{w.Stage(choose.SeveralSwaps), "several exchanges"},
		{w.NoSwap(), "no exchange"},
		{say.Words{Swap: say.Carry}.Stage(choose.TakeOneSwapTens), "one borrow, tens"},
		{say.Words{Swap: say.Carry}.Stage(choose.SeveralSwaps), "several carries"},
		{say.Words{Swap: say.Carry}.For(problem.Sharing).Swaps(2), "two carries"},
		{w.Swaps(0), "no exchange"},
		{w.Swaps(1), "one exchange"},
		{w.Swaps(3), "three exchanges"},
		{w.Count(1, place.Ones), "one unit"},
		{w.Count(0, place.TenThousands), "no ten-thousands"},
		{say.Piece(material.Blocks, place.Tens, 1), "stick"},
		{say.Piece(material.Beads, place.Hundreds, 3), "squares"},
		{say.Piece(material.Beads, place.TenThousands, 3), ""},
		{say.Caution(material.SmallParts, material.Blocks), "Small cubes are small parts. Count them out, count them back."},
		{w.Wish(problem.Sum, choose.Wish{Kind: choose.Knot, Want: choose.Yes}), "an exchange in the units"},
		{w.Mend(problem.Sum, choose.Mend{Wishes: []choose.Wish{{Kind: choose.Belongs, Stage: choose.NoSwap}}}), "Leave the stage “no exchange”"},
		{w.Phase(trace.Position{Phase: trace.LayOut}, trace.Problem), "build"},
		{w.Phase(trace.Position{Phase: trace.Joining}, trace.Problem), "join"},
		{w.Phase(trace.Position{Phase: trace.Work, Place: place.Ones}, trace.Problem), "units"},
		{w.Phase(trace.Position{Phase: trace.Reading}, trace.Problem), "read"},
		{w.Role([]place.Number{47, 25}, []place.Place{place.Ones, place.Tens}, false, true), "builds 47 and 25, works the units and the tens, keeps the bank"},
		{w.Role(nil, nil, false, false), "lays the large cards"},
		{w.Role([]place.Number{26, 26, 26}, nil, true, false), "builds 26 on three trays, takes groups off"},
		{w.Boundary(problem.Sum, place.Ones), "units to tens"},
		{w.Boundary(problem.Difference, place.Ones), "tens to units"},
		{w.Boundary(problem.Sharing, place.Tens), "tens to units"},
		{w.MinutesBasis(1, false), "Three to lay out, three quarters for each exchange, one to say it back: one exchange."},
		{say.Trays(problem.SumOf(1, 2)), "two for the numbers, one for the total"},
		{w.MinutesBasis(2, true), "Three to lay out, a good third for each exchange, one to say it back: two exchanges."},
		{say.Trays(problem.DifferenceOf(2, 1)), "one for the larger number, one for what is taken"},
		{say.Trays(problem.Of(problem.Sharing, 97, 4)), "one for the number, four for the shares"},
		{say.Trays(problem.Of(problem.Trays, 26, 3)), "three for the numbers, one for the total"},
		{say.SharedOut(place.SharingColumns(97, 4)[0], 4), "9 among four: 2 each, 1 left over"},
		{w.Came(place.TakingColumns(62, 38)[0]), "12 units: one ten is exchanged for ten units, 4 left."},
		{say.CardSets(2), "two small, one large"},
		{say.Minutes(6), "about 6 minutes"},
		{say.PieceNames(material.Beads), "bead, bar, square and cube"},
		{w.Example(swap.MakeSwap, trace.Method{}), "Ten units are exchanged for one ten. It joins the tens."},
		{w.Example("no such step", trace.Method{}), ""},
		{w.Clash(problem.Sum, []choose.Wish{{Kind: choose.Zero, Want: choose.Yes}, {Kind: choose.Within}}), "No numbers fit. These do not go together: a zero in the numbers and no number above 9999, which pieces can show."},
		{w.Clash(problem.Sum, []choose.Wish{{Kind: choose.Zero, Want: choose.Yes}, {Kind: choose.Knot, Want: choose.Yes}}), "No numbers fit: there cannot be an exchange in the units together with a zero in the numbers."},
		{say.LeftOut(1), "one worked recently is left out"},
	} {
		if c.got != c.want {
			t.Errorf("got %q, want %q", c.got, c.want)
		}
	}
	asked := map[string]bool{}
	for _, id := range append(choose.Stages(), "") {
		asked[w.StageAsks(id)+w.Stage(id)] = true
	}
	if len(asked) != len(choose.Stages())+1 {
		t.Errorf("two stages are said alike: %v", asked)
	}
}

func TestParseWords(t *testing.T) {
	for _, w := range say.SwapWords() {
		if got, err := say.ParseSwapWord(string(w)); err != nil || got != w {
			t.Errorf("%s: %v, %v", w, got, err)
		}
	}
	for _, w := range say.PlaceWords() {
		if got, err := say.ParsePlaceWord(string(w)); err != nil || got != w {
			t.Errorf("%s: %v, %v", w, got, err)
		}
	}
	for _, bad := range []string{"", "barter"} {
		if _, err := say.ParseSwapWord(bad); err == nil {
			t.Errorf("%q is no word for the swap", bad)
		}
		if _, err := say.ParsePlaceWord(bad); err == nil {
			t.Errorf("%q is no word for the ones", bad)
		}
	}
}

func ExampleWords_Trace() {
	p, _ := problem.Parse("9+4")
	tr, _ := swap.Solve(p)
	for i, line := range (say.Words{Places: say.Units}).Trace(tr) {
		if tr.Steps[i].Kind == swap.Stop {
			fmt.Println(line)
		}
	}
	// Output: Ten units. Stop. They are the same as one ten.
}
