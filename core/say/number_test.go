package say_test

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"vineswap/core/book"
	"vineswap/core/ladder"
	"vineswap/core/number"
	"vineswap/core/piece"
	"vineswap/core/place"
	"vineswap/core/rename"
	"vineswap/core/say"
	"vineswap/core/trace"
)

// alone are the lines of a number asked alone, each with its button.
func alone(t *testing.T, w say.Words, text string, m trace.Method) string {
	t.Helper()
	a, err := number.Parse(text)
	if err != nil {
		t.Fatal(err)
	}
	tr, err := number.Solve(a, m)
	if err != nil {
		t.Fatal(err)
	}
	lines, _ := w.Lines(tr)
	var out []string
	for _, l := range lines {
		out = append(out, "["+l.Do+"] "+l.String())
	}
	return strings.Join(out, "\n")
}

// What is said at each step, family by family.
func TestNumbersAloneAreSaid(t *testing.T) {
	for _, c := range []struct {
		asked  string
		w      say.Words
		method trace.Method
		want   string
	}{
		{"2 things say", say.Words{}, trace.Method{}, "[Lay out] Each is counted once. How many bees are there?\n[Count one] One.\n[Count one more] Two. There are two in all.\n[Say it back] Two."},
		{"0 things say", say.Words{}, trace.Method{}, "[Lay out] Look at the mat. How many apples are there?\n[Look] Nothing lies here. That is zero.\n[Say it back] Zero."},
		{"8 frames say", say.Words{}, trace.Method{}, "[Lay out] How many bees are there?\n[Look at frame 1] Five and three: eight.\n[Say it back] Eight."},
		{"8 frames say", say.Words{}, trace.Method{Filled: trace.ByPairs}, "[Lay out] How many bees are there?\n[Look at frame 1] Four pairs: eight.\n[Say it back] Eight."},
		{"8 frames to-ten", say.Words{}, trace.Method{}, "[Lay out] What is missing to ten?\n[Fill it up] Two more: eight and two make ten.\n[Say it back] Eight and two make ten."},
		{"12 numeral fill", say.Words{}, trace.Method{}, "[Show it] 12. Fill the frames.\n[Put in five] Five: a full row.\n[Put in five] Five and five: ten.\n[Look: a full frame] Ten: the frame is full.\n[Put in two] Ten and two: twelve.\n[Say it back] Twelve. It has a name of its own: ten and two."},
		{"12 covered count-on", say.Words{}, trace.Method{}, "[Lay out] Count on from ten.\n[Cover the full frame] Ten. It is not counted again.\n[Count one on] Eleven.\n[Count one on] Twelve. Ten and two.\n[Say it back] Twelve. It has a name of its own: ten and two."},
		{"14 word write", say.Words{}, trace.Method{}, "[Show it] Fourteen. Write it in figures.\n[Write the tens] 1 for the tens.\n[Write the ones] 4 for the ones.\n[Say it back] Fourteen. The word says the four first, the figures write the ten first."},
		{"13 said write", say.Words{Teens: say.TenAnd}, trace.Method{}, "[Show it] Listen: ten-three. Write it in figures.\n[Write the tens] 1 for the tens.\n[Write the ones] 3 for the ones.\n[Say it back] Ten-three. One ten three ones."},
		{"40 drawn how-many", say.Words{}, trace.Method{}, "[Lay out] How many tens are there?\n[Count the tens] Four tens: forty. A line is a ten, and not a 1.\n[Count the ones] No ones: forty.\n[Say how many tens] Four tens. They are worth forty.\n[Say it back] Forty. Four tens no ones."},
		{"23 crowd ring", say.Words{Places: say.Units}, trace.Method{}, "[Lay out] How many leaves are there?\n[Estimate] About how many are there? Say it, write it down, lock it.\n[Ring ten] Ten are marked and ringed, and 10 is written.\n[Ring ten] Ten are marked and ringed, and 10 is written. Twenty so far.\n[Count what is over] Three outside the rings: the ones.\n[Write the tens] 2 for the tens.\n[Write the units] 3 for the units.\n[Draw the same number] Two lines and three dots.\n[Say it back] Twenty-three. Two tens three units."},
		{"34 riddle units", say.Words{}, trace.Method{}, "[Show it] Two tens and fourteen ones. How many tens, how many ones?\n[Swap ten ones] Ten of the ones make one ten more: Three tens and four ones.\n[Say it back] Thirty-four. Three tens four ones."},
	} {
		if got := alone(t, c.w, c.asked, c.method); got != c.want {
			t.Errorf("%s:\n%s\nwanted\n%s", c.asked, got, c.want)
		}
	}
}

// No sentence of any question has a doubled word, a wrong plural or an unfilled slot, in
// any words of a class; each step has a button and something to say.
func TestNumbersAreWhole(t *testing.T) {
	for _, w := range []say.Words{{}, {Places: say.Units, Digits: say.FaceValue}, {Places: say.Bars, Teens: say.TenAnd}} {
		seen := map[string]bool{}
		for _, id := range number.Stages() {
			whole, _ := number.Whole(id)
			for _, a := range whole.Space().Draw(500, 17, nil) {
				for _, filled := range []trace.Filled{trace.ByRows, trace.ByPairs} {
					tr, err := number.Solve(a, trace.Method{Filled: filled})
					if err != nil {
						t.Fatal(err)
					}
					lines, asks := w.Lines(tr)
					for i, l := range lines {
						said := l.String()
						if seen[said] {
							continue
						}
						seen[said] = true
						var words []string // "three hundred" is no plural
						all := append(a.Numbers(), a.Said())
						slices.SortFunc(all, func(x, y place.Number) int { return len(w.Number(y)) - len(w.Number(x)) }) // one may be the beginning of another
						for _, n := range all {
							word := w.Number(n)
							words = append(words, word, "many", strings.ToUpper(word[:1])+word[1:], "Many")
						}
						said = strings.NewReplacer(words...).Replace(said)
						if fault := plainFault(said); fault != "" && fault != "ten one" && fault != "many many" && rename.Fits(a.Holding()) || l.Do == "" || strings.TrimSpace(said) == "" || strings.Contains(said, "%!") || strings.Contains(asks[i], "%!") {
							t.Fatalf("%s, %s: %q, %q, %q", a, tr.Steps[i].Kind, l.Do, l, fault)
						}
					}
				}
				if w.Question(a) == "" || say.Shown(a.Shown) == "" || say.Answered(a.Answered) == "" {
					t.Fatalf("%s: asked %q", a, w.Question(a))
				}
			}
		}
	}
}

// The parts of each word put together are the word; teens say the ones first, but for the
// two names of their own and the two that have changed.
func TestWordParts(t *testing.T) {
	cords := map[say.Cord][]place.Number{}
	for _, w := range []say.Words{{}, {Teens: say.TenAnd}} {
		for n := place.Number(0); n <= 100; n++ {
			parts, cord := w.Parts(n)
			whole := ""
			for _, p := range parts {
				whole += p.Text
			}
			if whole != w.Number(n) {
				t.Errorf("the parts of %d are %q, it is said %q", n, whole, w.Number(n))
			}
			if w.Teens == say.TenAnd && cord != say.Straight {
				t.Errorf("%q is %s", whole, cord)
			}
			if n > 10 && n < 20 && w.Teens == "" {
				cords[cord] = append(cords[cord], n)
			}
		}
	}
	if got := fmt.Sprint(cords); got != "map[bound:[11 12] crossed:[14 16 17 18 19] looped:[13 15]]" {
		t.Errorf("the teens are %s", got)
	}
}

// A wrong answer to a number is told beside the right one.
func TestWrongNumbersInReasons(t *testing.T) {
	a, _ := number.Parse("14 word write")
	lobe := ladder.Lobe{Manner: book.Head, State: ladder.UnderWay, Standing: ladder.Standing{State: ladder.UnderWay, Tried: 1, Recent: 1, Wrong: []ladder.Try{{Key: a.Task().Key(), Answer: "41"}}}}
	if got := (say.Words{}).Reason(number.WritingTeens, lobe, 20_000); !strings.Contains(got, "41 instead of 14 (word: write)") {
		t.Error(got)
	}
}

// What is said of sticks that a child lays: the last box shows a miscount.
func TestSticksInHands(t *testing.T) {
	for n, want := range map[int]string{
		0: "Nothing in the nine. Where are its nine?", 7: "Seven in the nine. Where are the other two?", 8: "Eight in the nine. Where is the other?",
		9: "Nine in the nine. Every stick has its place.", 10: "Ten in the nine. Where does one of them belong?", 12: "Twelve in the nine. Where do three of them belong?",
	} {
		if got := (say.Words{}).LastBox(n); got != want {
			t.Errorf("%d: %s", n, got)
		}
	}
	for n, want := range map[int]string{1: "One stick is in the heap. Where does it belong?", 20: "Twenty sticks are in the heap. Where do they belong?"} {
		if got := (say.Words{}).InHeap(n); got != want {
			t.Errorf("%d: %s", n, got)
		}
	}
}

func TestInRing(t *testing.T) {
	for n, want := range map[int]string{0: "Nothing is in the ring yet.", 9: "Nine in the ring. One more to make ten.", 10: "Ten are in the ring: 10 is written.", 11: "Eleven in the ring. That is one too many for a ten."} {
		if got := (say.Words{}).InRing(n); got != want {
			t.Errorf("%d: %s", n, got)
		}
	}
}

// What is told of numbers that are renamed, compared, added in parts and fetched.
func TestPlacesAreTold(t *testing.T) {
	for _, c := range []struct {
		w     say.Words
		asked string
		at    int // which step, from the end for those below 0
		wants string
		asks  string
	}{
		{say.Words{}, "34 numeral rename 2", 0, "34. Two tens and how many ones?", ""},
		{say.Words{}, "34 numeral rename 2", 3, "One ten swaps for ten ones: two tens fourteen ones.", "What does one ten make?"},
		{say.Words{Swap: say.Carry}, "34 numeral rename 2", 3, "One ten is borrowed as ten ones: two tens fourteen ones.", "What does one ten make?"},
		{say.Words{}, "34 numeral rename 2", -1, "Two tens fourteen ones are as much as 34.", ""},
		{say.Words{}, "34 renamed lay 2", 3, "Ten ones swap for one ten: three tens four ones.", "What do ten ones make?"},
		{say.Words{}, "342 numeral how-many", -1, "342 has thirty-four tens in all. In its tens place stands 4.", ""},
		{say.Words{}, "3420 numeral hundreds", -1, "3420 has thirty-four hundreds in all. In its hundreds place stands 4.", ""},
		{say.Words{}, "342,324 numeral sign", 1, "Hundreds: 3 and 3. The same: look at the tens.", "How many hundreds has each?"},
		{say.Words{}, "342,324 numeral sign", 2, "Tens: 4 and 2. They are not the same: the tens decide.", ""},
		{say.Words{}, "342,324 numeral sign", -1, "342 > 324. The tens decide.", ""},
		{say.Words{Signs: say.InWords}, "342,324 numeral sign", -1, "342 is more than 324. The tens decide.", ""},
		{say.Words{}, "7,3,9 numeral order", -1, "3 < 7 < 9.", ""},
		{say.Words{Signs: say.InWords}, "7,3,9 numeral order", -1, "3, 7 and 9.", ""},
		{say.Words{}, "47,25 expanded join", 0, "Look at 40 + 7 and 20 + 5. Add them in their parts.", ""},
		{say.Words{}, "47,25 expanded join", 1, "40 + 20 = 60.", "How much are the tens together?"},
		{say.Words{}, "47,25 expanded join", 3, "12: one ten and 2. Now 70 + 2.", "What do ten ones make?"},
		{say.Words{}, "47,25 units join", 2, "Seven ones and five ones: twelve ones.", ""},
		{say.Words{}, "47,25 units join", 3, "Twelve ones: one ten and two ones. Now seven tens two ones.", ""},
		{say.Words{}, "47,25 units join", -1, "Forty-seven and twenty-five are seventy-two: 72.", ""},
	} {
		a, err := number.Parse(c.asked)
		if err != nil {
			t.Fatal(err)
		}
		tr, err := number.Solve(a, trace.Method{})
		if err != nil {
			t.Fatal(err)
		}
		lines, asks := c.w.Lines(tr)
		at := (c.at + len(lines)) % len(lines)
		if got := lines[at].String(); got != c.wants || c.asks != "" && asks[at] != c.asks {
			t.Errorf("%s, step %d: %q, %q", c.asked, c.at, got, asks[at])
		}
	}
	for _, c := range []struct {
		n          place.Number
		h, tn, one int16
		wants      string
	}{
		{342, 3, 4, 2, "Right: three hundreds four tens two ones. That is 342."},
		{0, 0, 0, 0, "Right: nothing lies there. That is zero."},
		{432, 2, 4, 3, "The figures are there, but in other places: the tray has two hundreds four tens three ones, that is 243."},
		{342, 2, 14, 2, "It is as much as 342, laid in another way: two hundreds fourteen tens two ones. What can be swapped?"},
		{342, 0, 0, 0, "Nothing lies on the tray yet."},
		{342, 3, 5, 4, "One too many in the tens. Two too many in the ones."},
		{305, 2, 1, 5, "One too many in the tens, and one missing in the hundreds. Does it belong there?"},
	} {
		tray := piece.Holding{c.one, c.tn, c.h}
		if got := (say.Words{}).Fetched(c.n, tray); got != c.wants {
			t.Errorf("%d: %q", c.n, got)
		}
	}
}
