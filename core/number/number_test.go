package number_test

import (
	"encoding/json"
	"errors"
	"fmt"
	"math"
	"slices"
	"strings"
	"testing"

	"vineswap/core/choose"
	"vineswap/core/number"
	"vineswap/core/place"
	"vineswap/core/slip"
	"vineswap/core/task"
	"vineswap/core/trace"
)

// everything are all questions of all stages, whatever is chosen; of those that are too
// many some hundreds.
func everything(t *testing.T) []number.Asked {
	t.Helper()
	var all []number.Asked
	known := map[number.Asked]bool{}
	for _, id := range number.Stages() {
		space := allOf(t, id).Space()
		list := space.Draw(600, 17, nil)
		if space.Count() < 4_000 {
			list = space.All()
		}
		for _, a := range list {
			if a.Seed = 0; !known[a] {
				known[a] = true
				all = append(all, a)
			}
		}
	}
	return all
}

func allOf(t *testing.T, id choose.StageID) number.Choice {
	t.Helper()
	c, err := number.Whole(id)
	if err != nil {
		t.Fatal(err)
	}
	return c
}

// What is typed, and what it becomes.
func TestParse(t *testing.T) {
	for text, want := range map[string]string{
		"17": "17 numeral lay", "0": "0 numeral lay", "100": "100 numeral lay", "153": "153 numeral lay", "40306": "40306 numeral cards", "three hundred five": "305 word write", "seventeen": "17 word write", "Forty-Three": "43 word write", "forty three": "43 word write", "ten-three": "13 word write",
		"17 frames say": "17 frames say", "43 crowd ring 5": "43 crowd ring 5", "45 sticks count-back": "45 sticks count-back", "zero": "0 word write",
	} {
		got, err := number.Parse(text)
		if err != nil || got.String() != want {
			t.Errorf("%q is %s, %v", text, got, err)
		}
	}
	for text, want := range map[string]error{
		"": task.ErrForm, "47+25": task.ErrForm, "47 + 25": task.ErrForm, "4x23": task.ErrForm, "1000000": place.ErrTooLong, "10000 numeral lay": number.ErrLaid, "31 frames say": number.ErrFrames, "0 crowd ring": number.ErrNone,
		"10000 crowd ring": number.ErrCrowd, "17 frames ring": number.ErrWay, "17 crowd ring x": nil, "fifteeen": number.ErrWord, "tree": number.ErrWord, "40 expanded write": number.ErrSuits,
	} {
		if got, err := number.Parse(text); err == nil || want != nil && !errors.Is(err, want) {
			t.Errorf("%q is %s, %v", text, got, err)
		}
	}
	if _, err := number.Parse("fifteeen"); !strings.Contains(err.Error(), `"fifteen"`) {
		t.Errorf("the nearest word is not named: %v", err)
	}
}

// Every question is kept, read and typed again as itself; what is right is right, and the
// slips of it are not.
func TestEveryQuestion(t *testing.T) {
	for _, a := range everything(t) {
		work := a.Task()
		text, err := json.Marshal(work)
		var back task.Task
		if err != nil || json.Unmarshal(text, &back) != nil || back.Key() != work.Key() || a.Valid() != nil {
			t.Fatalf("%s: %s, %v", a, text, err)
		}
		if again, err := task.FromKey(work.Key()); err != nil || again.Key() != work.Key() {
			t.Fatalf("%s is read as %s, %v", work.Key(), again.Key(), err)
		}
		if !work.IsRight(work.Result()) {
			t.Fatalf("%s: %q is not right", a, work.Result())
		}
		for _, w := range work.Wrong() {
			given := work.Write(w.Answer)
			if work.IsRight(given) || !slices.Contains(work.Explains(given), w.Slip) {
				t.Fatalf("%s: %s gives %q, explained by %v", a, w.Slip, given, work.Explains(given))
			}
		}
	}
}

// By either way of filling frames, every trace obeys the laws of all traces, ends with the
// answer, and finds each of its positions again.
func TestEveryTrace(t *testing.T) {
	for _, a := range everything(t) {
		for _, filled := range []trace.Filled{trace.ByRows, trace.ByPairs} {
			tr, err := number.Solve(a, trace.Method{Filled: filled})
			if err != nil {
				t.Fatalf("%s: %v", a, err)
			}
			if err := tr.Verify(); err != nil {
				t.Fatalf("%s: %v", a, err)
			}
			if tr.Scene == "" || len(tr.Steps) < 2 {
				t.Fatalf("%s: %q, %d steps", a, tr.Scene, len(tr.Steps))
			}
			for i, s := range tr.Steps {
				at, err := trace.ParsePosition(s.At.String())
				if err != nil || tr.Find(at) != i {
					t.Fatalf("%s: step %d, %s, is found at %d, %v", a, i, s.At, tr.Find(at), err)
				}
			}
		}
	}
	if _, err := number.Solve(number.Asked{Number: 17, Shown: number.Frames, Answered: number.Say}, trace.Method{Filled: "by-chance"}); !errors.Is(err, trace.ErrMethod) {
		t.Errorf("filled by chance: %v", err)
	}
}

// What lies on the mat at the end is worth the number, wherever pieces of it are laid.
func TestWhatLiesIsTheNumber(t *testing.T) {
	for _, a := range everything(t) {
		tr, _ := number.Solve(a, trace.Method{})
		lies := tr.Steps[len(tr.Steps)-1].Zones.Together().Value()
		want := int(a.Number)
		switch {
		case a.Shown == number.Kinds: // one of each
			want = map[int]int{1: 1, 10: 11, 100: 111, 1000: 1111}[want]
		case a.Answered == number.ToTen && tr.Scene != number.Figures:
			want = 10
		case tr.Scene == number.InRows && (a.Shown == number.Pieces || a.Shown == number.Drawn):
			for _, n := range a.With {
				want += int(n)
			}
		case tr.Scene != number.InPlaces && a.Number >= 100, tr.Scene == number.Figures, tr.Scene == number.Pictures, tr.Scene == number.InCards, tr.Scene == number.InRows, tr.Scene == number.InSum:
			want = 0
		}
		if lies != want {
			t.Errorf("%s: at the end there lies %d, wanted %d", a, lies, want)
		}
	}
}

func TestAnswers(t *testing.T) {
	for _, c := range []struct {
		asked, given string
		right        bool
		slips        []slip.ID
	}{
		{"14 word write", "14", true, nil}, {"14 word write", "fourteen", true, nil}, {"14 word write", " 014 ", true, nil},
		{"14 word write", "41", false, []slip.ID{slip.DigitsReversed}}, {"14 word write", "40", false, []slip.ID{slip.TyForTeen}}, {"14 word write", "104", false, []slip.ID{slip.WritesParts}},
		{"40 word write", "14", false, []slip.ID{slip.TeenForTy}}, {"46 said write", "406", false, []slip.ID{slip.WritesParts}}, {"16 numeral say", "61", false, []slip.ID{slip.DigitsReversed}},
		{"127 said write", "10027", false, []slip.ID{slip.WritesHundreds}}, {"127 said write", "100207", false, []slip.ID{slip.WritesParts}}, {"605 said write", "65", false, []slip.ID{slip.ZeroLeftOut}}, {"345 said write", "3045", false, []slip.ID{slip.ZeroPutIn}},
		{"307 said write", "3007", false, []slip.ID{slip.WritesParts, slip.WritesHundreds, slip.ZeroPutIn}}, {"305 numeral units", "3 hundreds 5 ones", true, nil}, {"342 numeral units", "3, 4, 2", true, nil},
		{"19 frames write", "9", false, []slip.ID{slip.OnesOnly}}, {"16 frames say", "15", false, []slip.ID{slip.OneOff}}, {"16 crowd ring", "17", false, []slip.ID{slip.OneOff}},
		{"14 covered count-on", "13", false, []slip.ID{slip.OneOff, slip.TenSaidTwice}}, {"14 covered count-on", "15", false, []slip.ID{slip.OneOff}},
		{"80 pieces how-many", "8", true, nil}, {"80 pieces how-many", "80", false, []slip.ID{slip.ValueForTens}}, {"80 units write", "8", false, []slip.ID{slip.TensForValue}},
		{"100 numeral how-many", "0", false, []slip.ID{slip.DigitForTens}},
		{"47 numeral expanded", "40 + 7", true, nil}, {"47 numeral expanded", "4 + 7", false, []slip.ID{slip.DigitsNotValues}}, {"47 numeral expanded", "4+70", false, []slip.ID{slip.PlacesSwapped}},
		{"28 pieces units", "2 tens 8 ones", true, nil}, {"28 pieces units", "2 8", true, nil}, {"28 pieces units", "two tens", false, []slip.ID{}},
		{"34 riddle write", "34", true, nil}, {"6 frames to-ten", "4", true, nil}, {"6 frames to-ten", "3", false, []slip.ID{slip.OneOff}},
		{"45 sticks count-back", "9", true, nil}, {"45 sticks count-back", "8", false, []slip.ID{slip.OneOff}}, {"14 word write", "apple", false, []slip.ID{}}, {"14 word write", "", false, []slip.ID{}},
	} {
		a, err := number.Parse(c.asked)
		if err != nil {
			t.Fatalf("%s: %v", c.asked, err)
		}
		work := a.Task()
		if got := work.IsRight(c.given); got != c.right {
			t.Errorf("%s, answered %q, is right: %t", c.asked, c.given, got)
		}
		if got := work.Explains(c.given); !c.right && fmt.Sprint(got) != fmt.Sprint(c.slips) {
			t.Errorf("%s, answered %q: %v, wanted %v", c.asked, c.given, got, c.slips)
		}
	}
}

// A typed number belongs to the stage that the field says.
func TestStageOf(t *testing.T) {
	for text, want := range map[string]choose.StageID{
		"7 things say": number.OneByOne, "0": number.OneByOne, "45 sticks count-back": number.OneByOne, "8 frames say": number.FullTen, "6 numeral to-ten": number.FullTen,
		"14": number.TenAndOnes, "14 crowd ring": number.TenAndOnes, "fourteen": number.WritingTeens, "14 frames write": number.WritingTeens, "13 covered count-on": number.CountingOn, "23 covered count-on": number.CountingOn,
		"70": number.WholeTens, "40 crowd ring": number.WholeTens, "43 crowd ring": number.TensAndOnes, "100 crowd ring": "", "100": number.ZeroInAPlace, "100 kinds say": number.FourKinds, "10 ten-of say": number.FourKinds, "1000 numeral hundreds": number.FourKinds, "342": number.QuantityAndCard, "305 said write": number.ZeroInAPlace,
		"342 numeral expanded": number.ExpandedForm, "300 units write": number.ExpandedForm, "12345": number.FiveAndSix, "40306 said write": number.FiveAndSix, "40306 numeral expanded": number.FiveAndSix, "34 riddle write": number.TensAndOnes,
	} {
		a, err := number.Parse(text)
		if got := number.StageOf(a); err != nil || got != want {
			t.Errorf("%s belongs to %q, %v; wanted %q", text, got, err, want)
		}
	}
}

// Counted is enumerated: what a choice counts is what is found by asking of every number
// shown and answered in every way whether the stage accepts it.
func TestCountedIsEnumerated(t *testing.T) {
	for _, id := range number.Stages() {
		if id == number.Renaming || id == number.CompareAndOrder { // places_test.go counts these
			continue
		}
		o, err := number.OptionsOf(id, 0)
		if err != nil {
			t.Fatal(err)
		}
		o.Answered = slices.DeleteFunc(o.Answered, func(a number.Answered) bool { return a == number.Join })
		few, some := o.Numbers[:min(2, len(o.Numbers))], o.Digits[:min(1, len(o.Digits))]
		zeros := o.Zeros
		if zeros == nil {
			zeros = []number.Zeros{""}
		}
		for _, c := range []number.Choice{
			{Stage: id, Numbers: o.Numbers, Digits: some, Zeros: zeros[0], Shown: o.Shown, Answered: o.Answered},
			{Stage: id, Numbers: few, Digits: some, Zeros: zeros[len(zeros)-1], Shown: o.Shown, Answered: o.Answered},
			{Stage: id, Numbers: o.Numbers, Digits: some, Zeros: zeros[len(zeros)/2], Shown: o.Shown[:1], Answered: o.Answered},
			{Stage: id, Numbers: o.Numbers, Digits: some, Zeros: zeros[0], Shown: o.Shown, Answered: o.Answered[:1]},
		} {
			want := 0
			for n := place.Number(0); n <= most(c); n++ {
				for _, s := range c.Shown {
					for _, a := range c.Answered {
						asked := number.Asked{Number: n, Shown: s, Answered: a}
						if (slices.Contains(c.Numbers, n) || s == number.Sticks || among(c, n)) && asked.Valid() == nil && number.Accepts(id, asked) {
							want++
						}
					}
				}
			}
			ways := 0
			for _, w := range c.Space().Ways() {
				ways += w.Count
			}
			if got := c.Space().Count(); got != want || ways != want {
				t.Errorf("%s: %d are counted, %d by ways, %d are there", id, got, ways, want)
			}
		}
	}
}

// Every question of a stage can be drawn as often as any other, none twice, and none that
// was asked lately; each counts for its stage.
func TestDrawnUniformly(t *testing.T) {
	c := allOf(t, number.WritingTeens)
	all := c.Space().All()
	times := map[number.Asked]int{}
	const draws = 4_000
	for seed := range uint64(draws) {
		hand := c.Space().Draw(12, seed, nil)
		seen := map[number.Asked]bool{}
		for _, a := range hand {
			if a.Seed = 0; seen[a] {
				t.Fatalf("%s twice in one hand", a)
			}
			seen[a] = true
			times[a]++
		}
	}
	usual := float64(12*draws) / float64(len(all))
	for _, a := range all {
		if n := float64(times[a]); n < usual*0.8 || n > usual*1.2 {
			t.Errorf("%s was drawn %v times, usually %.0f", a, n, usual)
		}
	}
	if left := c.Space().Draw(12, 1, all[:len(all)-5]); len(left) != 5 {
		t.Errorf("%d are left", len(left))
	}
	crowd := number.Choice{Stage: number.TensAndOnes, Numbers: []place.Number{43}, Shown: []number.Shown{number.Crowd}, Answered: []number.Answered{number.Ring}}.Space()
	crowds := crowd.Draw(1, 3, nil)
	if len(crowds) != 1 || crowds[0].Seed == 0 || len(crowd.Draw(1, 3, []number.Asked{{Number: 43, Shown: number.Crowd, Answered: number.Ring, Seed: 9}})) != 0 {
		t.Errorf("a crowd is %v", crowds)
	}
}

// Of numbers that are too many to be listed, each has one index, in order; each is drawn
// as often as any other, and none that was asked lately.
func TestManyNumbers(t *testing.T) {
	for _, zeros := range []number.Zeros{number.NoZeros, number.WithZeros, number.AnyZeros} {
		for _, answered := range []number.Answered{number.InParts, number.InUnits} {
			space := number.Choice{Stage: number.ExpandedForm, Digits: []int{3, 4}, Zeros: zeros, Shown: []number.Shown{number.Numeral}, Answered: []number.Answered{answered}}.Space()
			last := place.Number(0)
			for i, a := range space.All() {
				if a.Number <= last || !space.Has(a) || a.Valid() != nil || !number.Accepts(number.ExpandedForm, a) {
					t.Fatalf("%s, %s: question %d is %s, after %d", zeros, answered, i, a, last)
				}
				last = a.Number
			}
		}
	}
	c, _ := number.Choice{Stage: number.FiveAndSix}.Fitted(0)
	space := c.Space()
	if space.Count() != 2*990_000 { // said and written
		t.Errorf("%d questions", space.Count())
	}
	lengths := map[int]int{}
	for seed := range uint64(500) {
		had := space.Draw(12, seed, nil)
		for _, a := range space.Draw(12, seed, had) {
			if slices.Contains(had, a) {
				t.Fatalf("%s again", a)
			}
			lengths[a.Number.Length()]++
		}
	}
	if part := float64(lengths[6]) / 6_000; part < 0.88 || part > 0.935 { // ten in eleven
		t.Errorf("%.3f of the numbers have six digits", part)
	}
}

// most is the largest number that is tried, and among tells whether a number has the digits
// and zeros of a choice.
func most(c number.Choice) place.Number {
	if len(c.Digits) == 0 {
		return max(100, slices.Max(c.Numbers))
	}
	return place.Number(math.Pow10(slices.Max(c.Digits)))
}

func among(c number.Choice, n place.Number) bool {
	zero := strings.Contains(n.String(), "0")
	return slices.Contains(c.Digits, n.Length()) && (c.Zeros == number.AnyZeros || zero == (c.Zeros == number.WithZeros))
}

func TestFitted(t *testing.T) {
	for name, c := range map[string]struct {
		choice number.Choice
		want   error
	}{
		"as usual":           {number.Choice{Stage: number.WholeTens}, nil},
		"no stage":           {number.Choice{Stage: "tens/sideways"}, number.ErrStage},
		"another number":     {number.Choice{Stage: number.WholeTens, Numbers: []place.Number{21}}, number.ErrChosen},
		"shown otherwise":    {number.Choice{Stage: number.WholeTens, Shown: []number.Shown{"rack"}}, number.ErrShown},
		"answered by a song": {number.Choice{Stage: number.WholeTens, Answered: []number.Answered{"sing"}}, number.ErrAnswered},
	} {
		if _, err := c.choice.Fitted(0); !errors.Is(err, c.want) {
			t.Errorf("%s: %v", name, err)
		}
	}
	for _, id := range number.Stages() {
		c, err := number.Choice{Stage: id}.Fitted(0)
		if err != nil || c.Space().Count() == 0 || !number.Accepts(id, number.Example(id)) {
			t.Errorf("%s as usual: %d, %v", id, c.Space().Count(), err)
		}
	}
}

func FuzzParse(f *testing.F) {
	for _, seed := range []string{"17", "fifteeen", "43 crowd ring 5", "0 things say", "-3", "９", "9999999999999999999999 crowd ring"} {
		f.Add(seed)
	}
	f.Fuzz(func(t *testing.T, text string) {
		a, err := number.Parse(text)
		if err != nil {
			return
		}
		if again, err := number.Parse(a.String()); err != nil || again != a {
			t.Errorf("%q is %s, read again as %s, %v", text, a, again, err)
		}
	})
}

func ExampleParse() {
	a, _ := number.Parse("seventeen")
	fmt.Println(a, number.StageOf(a))
	// Output: 17 word write tens/writing-teens
}
