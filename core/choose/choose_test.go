package choose_test

import (
	"errors"
	"fmt"
	"math/rand/v2"
	"testing"

	"vineswap/core/choose"
	"vineswap/core/place"
	"vineswap/core/swap"
)

func space(t testing.TB, c choose.Choice) *choose.Space {
	t.Helper()
	s, err := c.Space()
	if err != nil {
		t.Fatalf("%+v: %v", c, err)
	}
	return s
}

func knots(t testing.TB, text string) [place.Count]choose.Want {
	t.Helper()
	swaps, err := choose.ParseSwaps(text)
	if err != nil {
		t.Fatal(err)
	}
	return swaps
}

func TestFits(t *testing.T) {
	for _, c := range []struct {
		name   string
		choice choose.Choice
		swaps  string
		fits   string
	}{
		{"two digits, the ones alone", choose.Choice{Digits: []int{2, 2}}, "ones=yes,tens=no", "1260"},
		{"everything", choose.Choice{Digits: []int{2, 2}}, "", "8100"},
		{"one digit each", choose.Choice{Digits: []int{1, 1}}, "", "81"},
		{"a 0 in the ones cannot swap", choose.Choice{Digits: []int{2, 2}, Zeros: choose.Yes}, "ones=yes,tens=no", "0"},
		{"single digits have no 0", choose.Choice{Digits: []int{1, 1}, Zeros: choose.Yes}, "", "0"},
		{"no for a place that none has", choose.Choice{Digits: []int{1, 1}}, "tens=no", "81"},
		{"nine thousands and more have no piece", choose.Choice{Digits: []int{4, 4}, Laid: true}, "thousands=yes", "0"},
		{"six of six digits", choose.Choice{Digits: []int{6, 6, 6, 6, 6, 6}}, "", "531441000000000000000000000000000000"},
		{"one-swap-ones asks for more than one place", choose.Choice{Digits: []int{1, 1}, Stage: choose.OneSwapOnes}, "", "0"},
		{"the stage gives its own knots", choose.Choice{Digits: []int{2, 2}, Stage: choose.OneSwapOnes}, "", "1260"},
	} {
		t.Run(c.name, func(t *testing.T) {
			c.choice.Swap = knots(t, c.swaps)
			if got := space(t, c.choice).Fits().String(); got != c.fits {
				t.Errorf("fits %s, want %s", got, c.fits)
			}
		})
	}
}

func TestInvalidChoices(t *testing.T) {
	for _, c := range []struct {
		name   string
		choice choose.Choice
		err    error
	}{
		{"one number", choose.Choice{Digits: []int{2}}, choose.ErrNumbers},
		{"seven numbers", choose.Choice{Digits: []int{1, 1, 1, 1, 1, 1, 1}}, choose.ErrNumbers},
		{"no digits", choose.Choice{Digits: []int{2, 0}}, choose.ErrDigits},
		{"seven digits", choose.Choice{Digits: []int{7, 2}}, choose.ErrDigits},
		{"a swap where nothing stands", choose.Choice{Digits: []int{1, 1}, Swap: knots(t, "tens=yes")}, choose.ErrNoPlace},
		{"a stage that is none", choose.Choice{Digits: []int{2, 2}, Stage: "joining/sideways"}, choose.ErrStage},
	} {
		t.Run(c.name, func(t *testing.T) {
			if _, err := c.choice.Space(); !errors.Is(err, c.err) {
				t.Errorf("got %v, want %v", err, c.err)
			}
		})
	}
	shorter := choose.Choice{Digits: []int{1, 1}, Swap: knots(t, "tens=yes,ones=yes")}.Fitted()
	if shorter.Valid() != nil || shorter.Swap[place.Ones] != choose.Yes {
		t.Errorf("fitted to shorter numbers: %+v", shorter)
	}
}

func TestParseSwaps(t *testing.T) {
	for _, bad := range []string{"unit=yes", "ones=maybe", "ones=yes,ones=no", "ones", "ones=", ",", "=yes"} {
		if got, err := choose.ParseSwaps(bad); err == nil {
			t.Errorf("%q was read as %v", bad, got)
		}
	}
	if got := knots(t, "ones=yes, hundreds=no"); got != [place.Count]choose.Want{choose.Yes, choose.Any, choose.No} {
		t.Errorf("read %v", got)
	}
}

// judge tells by plain arithmetic whether numbers fit a choice; it shares
// nothing with the programme that counts.
func judge(c choose.Choice, numbers []int) bool {
	var swaps []int
	made := false
	carry, sum, zero := 0, 0, false
	for _, n := range numbers {
		sum += n
		for rest := n; rest > 0; rest /= 10 {
			zero = zero || rest%10 == 0
		}
	}
	top := int(c.Top())
	for p, unit := 0, 1; p <= top; p, unit = p+1, unit*10 {
		own := 0
		for _, n := range numbers {
			own += n / unit % 10
		}
		swapped := own+carry >= 10
		if w := c.Swap[p]; w == choose.Yes && !swapped || w == choose.No && swapped {
			return false
		}
		if swapped {
			swaps = append(swaps, p)
			made = made || own < 10
		}
		carry = (own + carry) / 10
	}
	if c.Zeros == choose.Yes && !zero || c.Zeros == choose.No && zero || c.Laid && sum > 9_999 {
		return false
	}
	topSwaps := len(swaps) > 0 && swaps[len(swaps)-1] == top
	switch c.Stage {
	case choose.NoSwap:
		return len(swaps) == 0
	case choose.OneSwapOnes:
		return len(swaps) == 1 && swaps[0] == 0 && !topSwaps
	case choose.OneSwapHigher:
		return len(swaps) == 1 && swaps[0] != 0 && !topSwaps
	case choose.SeveralSwaps:
		return len(swaps) >= 2 && !made && !topSwaps
	case choose.SwapMakesSwap:
		return made && !topSwaps
	case choose.NewPlace:
		return topSwaps
	}
	return true
}

// enumerate calls visit with every tuple of numbers of the given lengths.
func enumerate(digits []int, numbers []int, visit func([]int)) {
	if len(numbers) == len(digits) {
		visit(numbers)
		return
	}
	low := place.Place(digits[len(numbers)] - 1).Unit()
	for n := low; n < low*10; n++ {
		enumerate(digits, append(numbers, n), visit)
	}
}

func randomChoice(rng *rand.Rand, digits []int) choose.Choice {
	c := choose.Choice{Digits: digits, Zeros: choose.Want(rng.IntN(3)), Laid: rng.IntN(2) == 0}
	if rng.IntN(2) == 0 {
		c.Stage = choose.Stages()[rng.IntN(len(choose.Stages()))]
	}
	for p := range c.Top() + 1 {
		c.Swap[p] = choose.Want(max(0, rng.IntN(5)-2)) // open more often than tied
	}
	return c
}

// Count equals enumeration: every knot, zero wish and stage over all pairs of
// two digits, and seeded choices over other shapes.
func TestCountIsEnumeration(t *testing.T) {
	var choices []choose.Choice
	for ones := range choose.Want(3) {
		for tens := range choose.Want(3) {
			for zeros := range choose.Want(3) {
				for _, stage := range append(choose.Stages(), "") {
					choices = append(choices, choose.Choice{Digits: []int{2, 2}, Swap: [place.Count]choose.Want{ones, tens}, Zeros: zeros, Stage: stage})
				}
			}
		}
	}
	rng := rand.New(rand.NewPCG(8, 6))
	for _, digits := range [][]int{{1, 1}, {2, 1}, {1, 3}, {3, 2}, {2, 2, 2}, {1, 2, 1}, {1, 1, 1, 1, 1}, {4, 1}} {
		for range 12 {
			choices = append(choices, randomChoice(rng, digits))
		}
	}
	for _, c := range choices {
		want := 0
		enumerate(c.Digits, nil, func(numbers []int) {
			if judge(c, numbers) {
				want++
			}
		})
		if got := space(t, c).Fits().String(); got != fmt.Sprint(want) {
			t.Fatalf("%+v: counted %s, enumerated %d", c, got, want)
		}
	}
}

// Index and problem belong to each other one to one.
func TestEveryIndexIsAnotherProblem(t *testing.T) {
	rng := rand.New(rand.NewPCG(4, 4))
	for range 60 {
		c := randomChoice(rng, [][]int{{2, 2}, {3, 1}, {1, 1, 2}}[rng.IntN(3)])
		s := space(t, c)
		seen := map[string]bool{}
		for _, numbers := range s.Draw(1_000_000, 1) {
			seen[fmt.Sprint(numbers)] = true
			plain := make([]int, len(numbers))
			for i, n := range numbers {
				plain[i] = int(n)
			}
			if !judge(c, plain) {
				t.Fatalf("%+v: drew %v", c, numbers)
			}
		}
		if got := fmt.Sprint(len(seen)); got != s.Fits().String() {
			t.Fatalf("%+v: %s different problems of %s", c, got, s.Fits())
		}
	}
}

// Every drawn problem, worked with pieces, makes exactly the swaps asked for,
// and belongs to the stage that it was drawn for.
func TestDrawnProblemsSwapAsAsked(t *testing.T) {
	rng := rand.New(rand.NewPCG(7, 7))
	drawn := 0
	for range 400 {
		c := randomChoice(rng, [][]int{{4, 4}, {4, 3}, {3, 3}, {2, 4}, {6, 6}, {3, 3, 3}}[rng.IntN(6)])
		for _, numbers := range space(t, c).Draw(20, rng.Uint64()) {
			drawn++
			trace, err := swap.Solve(swap.SumOf(numbers...))
			if err != nil {
				t.Fatal(err)
			}
			var swapped [place.Count]bool
			for _, s := range trace.Swaps {
				swapped[s.From] = true
			}
			for p := range c.Top() + 1 {
				if w := c.Swap[p]; w == choose.Yes && !swapped[p] || w == choose.No && swapped[p] {
					t.Fatalf("%+v: %v swaps %v", c, numbers, trace.Swaps)
				}
			}
			if len(numbers) == 2 && c.Top() <= place.Thousands && c.Stage != "" && choose.StageOf(numbers) != c.Stage {
				t.Fatalf("%v was drawn for %s and belongs to %s", numbers, c.Stage, choose.StageOf(numbers))
			}
			if c.Laid && trace.Answer > place.MostWithPieces {
				t.Fatalf("%v cannot be laid out", numbers)
			}
		}
	}
	if drawn < 2_000 {
		t.Fatalf("only %d problems were drawn", drawn)
	}
}

// Draws from a space of 1,260 are uniform: the chi-square statistic of 126,000
// first draws lies within five standard deviations of its mean.
func TestDrawIsUniform(t *testing.T) {
	s := space(t, choose.Choice{Digits: []int{2, 2}, Swap: knots(t, "ones=yes,tens=no")})
	const kinds, draws = 1_260, 126_000
	seen := map[string]int{}
	for seed := range uint64(draws / 6) {
		for _, numbers := range s.Draw(6, seed) {
			seen[fmt.Sprint(numbers)]++
		}
	}
	chi := 0.0
	for _, n := range seen {
		chi += float64(n-draws/kinds) * float64(n-draws/kinds) / (draws / kinds)
	}
	if len(seen) != kinds || chi < kinds-1-5*50 || chi > kinds-1+5*50 {
		t.Errorf("%d kinds, chi-square %.0f", len(seen), chi)
	}
}

func TestDraw(t *testing.T) {
	s := space(t, choose.Choice{Digits: []int{4, 4}})
	one, again, other := s.Draw(12, 7), s.Draw(12, 7), s.Draw(12, 8)
	if fmt.Sprint(one) != fmt.Sprint(again) || fmt.Sprint(one) == fmt.Sprint(other) {
		t.Error("a seed does not fix the draw")
	}
	few := space(t, choose.Choice{Digits: []int{1, 1}}).Draw(500, 3)
	if len(few) != 81 {
		t.Errorf("asked for more than fit: %d", len(few))
	}
	if none := space(t, choose.Choice{Digits: []int{1, 1}, Zeros: choose.Yes}).Draw(5, 3); none == nil || len(none) != 0 {
		t.Errorf("nothing fits: %v", none)
	}
}

// Lanes name exactly the digits that occur.
func TestLanesAreEnumeration(t *testing.T) {
	rng := rand.New(rand.NewPCG(12, 1))
	for range 80 {
		c := randomChoice(rng, [][]int{{2, 2}, {3, 2}, {1, 1, 1}, {1, 2}}[rng.IntN(4)])
		want := map[string]bool{}
		enumerate(c.Digits, nil, func(numbers []int) {
			if !judge(c, numbers) {
				return
			}
			sum := 0
			for i, n := range numbers {
				sum += n
				for p := range c.Digits[i] {
					want[fmt.Sprintf("number %d place %d digit %d", i, p, n/place.Place(p).Unit()%10)] = true
				}
			}
			for p := range int(c.Top()) + 1 {
				want[fmt.Sprintf("sum place %d digit %d", p, sum/place.Place(p).Unit()%10)] = true
			}
		})
		got := map[string]bool{}
		for _, lane := range space(t, c).Lanes() {
			for i, set := range lane.Number {
				for _, d := range set.List() {
					got[fmt.Sprintf("number %d place %d digit %d", i, lane.Place, d)] = true
				}
			}
			for _, d := range lane.Sum.List() {
				got[fmt.Sprintf("sum place %d digit %d", lane.Place, d)] = true
			}
		}
		if fmt.Sprint(got) != fmt.Sprint(want) {
			t.Fatalf("%+v:\n got %v\nwant %v", c, got, want)
		}
	}
}

func TestStageOf(t *testing.T) {
	for _, c := range []struct {
		name, text string
		want       choose.StageID
	}{
		{"no swap", "42+25", choose.NoSwap},
		{"the ones alone", "47+25", choose.OneSwapOnes},
		{"the tens alone", "352+264", choose.OneSwapHigher},
		{"two of their own", "1458+2367", choose.SeveralSwaps},
		{"one makes another", "157+145", choose.SwapMakesSwap},
		{"the highest", "67+58", choose.NewPlace},
		{"single digits", "7+5", choose.NewPlace},
		{"the highest, made by a swap", "57+48", choose.NewPlace},
		{"a blank in the highest column", "996+7", choose.NewPlace},
		{"three numbers", "28+19+15", choose.ThreeAddends},
		{"five digits", "12345+1", choose.AnySum},
	} {
		t.Run(c.name, func(t *testing.T) {
			p, err := swap.Parse(c.text)
			if err != nil {
				t.Fatal(err)
			}
			if got := choose.StageOf(p.Numbers); got != c.want {
				t.Errorf("%s belongs to %s, want %s", c.text, got, c.want)
			}
		})
	}
}

// The six stages share out all sums of two numbers up to four digits: no sum is
// in two of them, and none is left over.
func TestStagesPartition(t *testing.T) {
	for _, digits := range [][]int{{2, 2}, {3, 3}, {4, 4}, {4, 2}, {1, 3}} {
		parts := make([]uint64, 0, 6)
		sum := uint64(0)
		for _, stage := range choose.Stages() {
			n := space(t, choose.Choice{Digits: digits, Stage: stage}).Fits().Big().Uint64()
			parts, sum = append(parts, n), sum+n
		}
		if all := space(t, choose.Choice{Digits: digits}).Fits().Big().Uint64(); sum != all {
			t.Errorf("%v: the stages hold %v, together %d of %d", digits, parts, sum, all)
		}
	}
}

// Least is exactly where a stage begins to have problems.
func TestLeast(t *testing.T) {
	for _, stage := range choose.Stages() {
		for n := 1; n <= 4; n++ {
			none := space(t, choose.Choice{Digits: []int{n, n}, Stage: stage}).Fits().IsZero()
			if none != (n < stage.Least()) {
				t.Errorf("%s with %d digits: none is %v, the least is %d", stage, n, none, stage.Least())
			}
		}
	}
}

func TestConflicts(t *testing.T) {
	for _, c := range []struct {
		name   string
		choice choose.Choice
		clash  string
		mends  int
	}{
		{"a 0 in ones that swap", choose.Choice{Digits: []int{2, 2}, Zeros: choose.Yes, Swap: knots(t, "ones=yes,tens=no")}, "[zeros yes knot ones yes]", 2},
		{"thousands without a piece", choose.Choice{Digits: []int{4, 4}, Laid: true, Swap: knots(t, "thousands=yes")}, "[laid knot thousands yes]", 1},
		{"against the stage", choose.Choice{Digits: []int{3, 3}, Stage: choose.NoSwap, Swap: knots(t, "tens=yes,ones=no")}, "[joining/no-swap knot tens yes]", 2},
		{"a blank that can only be reached", choose.Choice{Digits: []int{3, 1}, Swap: knots(t, "ones=no,tens=yes")}, "[knot ones no knot tens yes]", 2},
		{"nothing wrong", choose.Choice{Digits: []int{3, 3}}, "[]", 0},
		{"the ones cannot be all", choose.Choice{Digits: []int{1, 1}, Stage: choose.OneSwapOnes}, "[joining/one-swap-ones]", 1},
	} {
		t.Run(c.name, func(t *testing.T) {
			clash, mends := c.choice.Conflict()
			told := []string{}
			for _, w := range clash {
				switch w.Kind {
				case choose.Knot:
					told = append(told, fmt.Sprintf("knot %v %v", w.Place, w.Want))
				case choose.Zero:
					told = append(told, fmt.Sprintf("zeros %v", w.Want))
				case choose.Belongs:
					told = append(told, string(w.Stage))
				default:
					told = append(told, string(w.Kind))
				}
			}
			if fmt.Sprint(told) != c.clash || len(mends) != c.mends {
				t.Errorf("clash %v with %d mends %v, want %s with %d", told, len(mends), mends, c.clash, c.mends)
			}
			for _, m := range mends {
				if got := space(t, c.choice.Without(m.Wish)).Fits(); got != m.Fits || got.IsZero() {
					t.Errorf("letting %v go gives %v, said %v", m.Wish, got, m.Fits)
				}
			}
		})
	}
}

// A knot left open holds the problems of both its tied states.
func TestKnotCountsAddUp(t *testing.T) {
	c := choose.Choice{Digits: []int{4, 4}, Stage: choose.SeveralSwaps, Laid: true}
	for p := range c.Top() + 1 {
		counts := c.KnotCounts(p)
		if counts[choose.Any].Big().Uint64() != counts[choose.No].Big().Uint64()+counts[choose.Yes].Big().Uint64() {
			t.Errorf("%v: %v", p, counts)
		}
	}
	if c.Tied(place.Thousands) != choose.No || c.Tied(place.Ones) != choose.Any {
		t.Error("the stage ties the highest place and no other")
	}
}

func ExampleChoice_Space() {
	swaps, _ := choose.ParseSwaps("ones=yes,tens=no")
	s, _ := choose.Choice{Digits: []int{2, 2}, Swap: swaps}.Space()
	fmt.Println(s.Fits(), s.Draw(2, 7))
	// Output: 1260 [[14 48] [29 65]]
}

func FuzzParseSwaps(f *testing.F) {
	for _, seed := range []string{"", "ones=yes", "ones=yes,tens=no", "ones==", ",,", "tens=any,"} {
		f.Add(seed)
	}
	f.Fuzz(func(t *testing.T, text string) {
		if swaps, err := choose.ParseSwaps(text); err == nil {
			c := choose.Choice{Digits: []int{6, 6}, Swap: swaps}
			if _, err := c.Space(); err != nil && swaps[place.Millions] != choose.Yes {
				t.Errorf("%q: %v", text, err)
			}
		}
	})
}

func BenchmarkCountTwoOfFourDigits(b *testing.B) {
	c := choose.Choice{Digits: []int{4, 4}, Stage: choose.SeveralSwaps, Laid: true, Zeros: choose.Yes}
	for b.Loop() {
		space(b, c)
	}
}

func BenchmarkDrawAThousand(b *testing.B) {
	s := space(b, choose.Choice{Digits: []int{4, 4}, Swap: knots(b, "ones=yes")})
	for b.Loop() {
		s.Draw(1_000, 7)
	}
}
