package choose_test

import (
	"context"
	"errors"
	"fmt"
	"math/rand/v2"
	"reflect"
	"slices"
	"testing"
	"time"

	"vineswap/core/choose"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/swap"
	"vineswap/core/task"
)

func TestSpread(t *testing.T) {
	for _, c := range []struct {
		name   string
		choice choose.Choice
		n      int
		want   string // which places swap, problem by problem
	}{
		{"three kinds of two digits in equal parts", choose.Choice{Digits: []int{2, 2}, Swap: knots(t, "tens=no")}, 6, "[- - - o o o]"},
		{"every kind once", choose.Choice{Digits: []int{2, 2}}, 4, "[- o t ot]"},
		{"what does not divide goes to the gentle", choose.Choice{Digits: []int{2, 2}}, 6, "[- - o o t ot]"},
		{"a stage with two kinds", choose.Choice{Digits: []int{4, 4}, Stage: choose.OneSwapHigher}, 4, "[t t h h]"},
		{"more kinds than problems", choose.Choice{Digits: []int{3, 3}}, 3, "[- t oh]"},
		{"taking", choose.Choice{Kind: problem.Difference, Digits: []int{3, 3}}, 4, "[- o t ot]"},
		{"sharing with a rest", choose.Choice{Kind: problem.Sharing, Digits: []int{2}, Rest: choose.Yes}, 4, "[o o ot ot]"},
		{"trays", choose.Choice{Kind: problem.Trays, Digits: []int{2}}, 4, "[- o t ot]"},
		{"fewer than asked for", choose.Choice{Digits: []int{1, 1}, MakesTen: choose.Yes}, 9, "[o o o o o]"},
		{"none", choose.Choice{Digits: []int{1, 1}, Zeros: choose.Yes}, 3, "[]"},
	} {
		t.Run(c.name, func(t *testing.T) {
			var got []string
			set := space(t, c.choice).Spread(c.n, 7)
			for _, numbers := range set {
				got = append(got, kindOf(t, c.choice.Kind, numbers))
			}
			if fmt.Sprint(got) != c.want {
				t.Errorf("%v swaps %v, wanted %s", set, got, c.want)
			}
		})
	}
}

// kindOf names the places that swap by their first letters.
func kindOf(t *testing.T, op task.Kind, numbers []place.Number) string {
	tr, err := swap.Solve(problemOf(op, ints(numbers)))
	if err != nil {
		t.Fatal(err)
	}
	kind := ""
	for p := range place.HighestOf(numbers) + 1 {
		if swaps(tr, p) > 0 {
			kind += p.String()[:1]
		}
	}
	if kind == "" {
		return "-"
	}
	return kind
}

// A set has only problems that fit, none left out, no two alike; it is as large
// as it can be, gentle first, the same for the same seed.
func TestSpreadLaws(t *testing.T) {
	rng := rand.New(rand.NewPCG(3, 9))
	for range 120 {
		op := choose.Kinds()[rng.IntN(4)]
		c := randomChoice(rng, op, shapes[op][len(shapes[op])-1-rng.IntN(2)])
		s := space(t, c)
		worked := s.Draw(5, 1)
		s = s.Except(worked)
		seed := rng.Uint64()
		set := s.Spread(12, seed)
		if fmt.Sprint(set) != fmt.Sprint(s.Spread(12, seed)) {
			t.Fatalf("%+v: the same seed gave another set", c)
		}
		alike := map[string]bool{}
		before := -1
		for _, numbers := range set {
			sorted := slices.Clone(numbers)
			if op == problem.Sum {
				slices.Sort(sorted)
			}
			key := fmt.Sprint(sorted)
			if alike[key] || !judge(c, ints(numbers)) || slices.ContainsFunc(worked, func(w []place.Number) bool { return slices.Equal(w, numbers) }) {
				t.Fatalf("%+v: %v in %v, without %v", c, numbers, set, worked)
			}
			alike[key] = true
			kind := kindOf(t, op, numbers)
			now := len(kind)
			if kind == "-" {
				now = 0
			}
			if now < before {
				t.Fatalf("%+v: %v is not gentle first", c, set)
			}
			before = now
		}
		if unlike := unlike(s, op); len(set) < min(12, unlike) {
			t.Fatalf("%+v: %d of 12, though %d are not alike", c, len(set), unlike)
		}
	}
}

// unlike counts the problems of a space that are not alike, up to a set.
func unlike(s *choose.Space, op task.Kind) int {
	fits := int(min(s.Fits().Big().Uint64(), 20_000))
	keys := map[string]bool{}
	for _, numbers := range s.Draw(fits, 3) {
		if op == problem.Sum {
			slices.Sort(numbers)
		}
		keys[fmt.Sprint(numbers)] = true
	}
	return len(keys)
}

// A set is full where enough problems fit, also where most of them are alike: six
// numbers of one digit have 720 orders.
func TestSpreadIsFull(t *testing.T) {
	for _, c := range []choose.Choice{
		{Digits: []int{1, 1, 1, 1, 1, 1}, Most: 9}, {Digits: []int{1, 1}, Stage: choose.WithinTen},
		{Digits: []int{1, 1}, Stage: choose.OverTen}, {Digits: []int{2, 2}, Gives: choose.Gives{1, 1}}, {Digits: []int{1, 1, 1, 1}, Facts: choose.Bonds},
	} {
		s := space(t, c)
		for seed := range uint64(20) {
			if set, want := s.Spread(12, seed), min(12, unlike(s, problem.Sum)); len(set) != want {
				t.Errorf("%+v: %d in the set, of %d that are not alike", c, len(set), want)
			}
		}
	}
}

// In a set of twelve sums with a swap in the ones no two digits meet more than
// once there.
func TestFactsAreVaried(t *testing.T) {
	for seed := range uint64(40) {
		met := map[[2]int]int{}
		for _, numbers := range space(t, choose.Choice{Digits: []int{2, 2}, Swap: knots(t, "ones=yes,tens=no")}).Spread(12, seed) {
			a, b := numbers[0].Digit(place.Ones), numbers[1].Digit(place.Ones)
			met[[2]int{min(a, b), max(a, b)}]++
		}
		for pair, n := range met {
			if n > 2 {
				t.Errorf("seed %d: %v met %d times", seed, pair, n)
			}
		}
		if len(met) < 10 {
			t.Errorf("seed %d: only %d facts in twelve sums", seed, len(met))
		}
	}
}

// rare asks two numbers of six digits to swap in the ones, and everywhere above
// only because of the swap below.
func rare(b testing.TB) choose.Choice {
	c := choose.Choice{Digits: []int{6, 6}}
	c.Swap[place.Ones] = choose.Yes
	for p := place.Tens; p <= place.HundredThousands; p++ {
		c.Made[p] = choose.Yes
	}
	if space(b, c).Fits().IsZero() {
		b.Fatal("the rare choice has no problem")
	}
	return c
}

// The largest counts: six numbers of six digits with everything that needs
// remembering.
func BenchmarkCountSixOfSix(b *testing.B) {
	six := []int{6, 6, 6, 6, 6, 6}
	for name, c := range map[string]choose.Choice{
		"open":   {Digits: six},
		"worst":  {Digits: six, Stage: choose.SwapMakesSwap, Zeros: choose.Yes, MakesTen: choose.Yes, Doubles: choose.No, Facts: choose.UpToTen},
		"stage":  {Digits: six, Stage: choose.AnySum, Zeros: choose.Yes, Facts: choose.UpToTen},
		"pairs":  {Digits: six, Zeros: choose.Yes, MakesTen: choose.No, Doubles: choose.No, Made: choose.Wants{choose.Any, choose.Yes}},
		"yes":    {Digits: six, Zeros: choose.Yes, MakesTen: choose.Yes, Doubles: choose.Yes, Several: choose.Wants{choose.Yes, choose.Yes}},
		"taking": {Kind: problem.Difference, Digits: []int{6, 6}, Stage: choose.AnyDifference, Cross: choose.Yes, Row: choose.Yes, Zeros: choose.Yes},
		"trays":  {Kind: problem.Trays, Digits: []int{6}, Stage: choose.EqualTraysSwap, Zeros: choose.Yes},
		"share":  {Kind: problem.Sharing, Digits: []int{6}, Stage: choose.ShareSwap, Zeros: choose.Yes},
	} {
		b.Run(name, func(b *testing.B) {
			for b.Loop() {
				space(b, c)
			}
		})
	}
}

func BenchmarkDrawTenThousand(b *testing.B) {
	for b.Loop() {
		space(b, choose.Choice{Digits: []int{6, 6, 6, 6, 6, 6}, Zeros: choose.Yes}).Draw(10_000, 7)
	}
}

// The rare choice drawn from its count, and by throwing away what does not fit, a
// problem of each in turn: the ratio is how many times longer the second takes.
func BenchmarkRareChoice(b *testing.B) {
	c := rare(b)
	rng := rand.New(rand.NewPCG(1, 1))
	var counted, thrown time.Duration
	seed := uint64(0)
	for b.Loop() {
		seed++
		begun := time.Now()
		space(b, c).Draw(1, seed)
		between := time.Now()
		for !isRare(100_000+rng.IntN(900_000), 100_000+rng.IntN(900_000)) {
		}
		counted, thrown = counted+between.Sub(begun), thrown+time.Since(between)
	}
	b.ReportMetric(float64(counted.Nanoseconds())/float64(b.N), "counted-ns/op")
	b.ReportMetric(float64(thrown.Nanoseconds())/float64(b.N), "thrown-away-ns/op")
	b.ReportMetric(float64(thrown)/float64(counted), "ratio")
}

// isRare is the plainest test of the rare choice.
func isRare(a, b int) bool {
	carry := 0
	for p := range 6 {
		own := a%10 + b%10
		if p == 0 && own < 10 || p > 0 && (own >= 10 || own+carry < 10) {
			return false
		}
		carry = 1
		a, b = a/10, b/10
	}
	return true
}

// worstSpread is the widest set that can be asked for with pairs.
var worstSpread = choose.Choice{Digits: []int{6, 6, 6, 6, 6, 6}, Doubles: choose.No}

// Counted in one place, where columns are shared, a choice comes to the same as each
// part by itself: the count, the knots, the set, what clashes.
func TestSharedColumnsCountTheSame(t *testing.T) {
	for name, c := range map[string]choose.Choice{
		"pairs":      {Digits: []int{3, 3, 2}, MakesTen: choose.Yes, Doubles: choose.No, Zeros: choose.Yes},
		"facts":      {Digits: []int{4, 3}, Facts: choose.UpToTen, ZeroAt: choose.Wants{choose.Any, choose.Yes}},
		"a stage":    {Digits: []int{3, 3}, Stage: choose.SwapMakesSwap, Doubles: choose.No},
		"taking":     {Kind: problem.Difference, Digits: []int{4, 3}, Cross: choose.Yes, MakesTen: choose.No},
		"sharing":    {Kind: problem.Sharing, Digits: []int{4}, Rest: choose.Yes},
		"trays":      {Kind: problem.Trays, Digits: []int{3}, Facts: choose.TwinFacts},
		"a conflict": {Digits: []int{2, 2}, Stage: choose.NoSwap, Swap: choose.Wants{choose.Yes}},
	} {
		shared := c.In(t.Context())
		alone, together := space(t, c), space(t, shared)
		if alone.Fits() != together.Fits() || !reflect.DeepEqual(alone.Spread(9, 4), together.Spread(9, 4)) || !reflect.DeepEqual(c.Knots(), shared.Knots()) {
			t.Errorf("%s: %v and %v fit", name, alone.Fits(), together.Fits())
		}
		clash, mends := c.Conflict()
		again, mendsAgain := shared.Conflict()
		if !reflect.DeepEqual(clash, again) || len(mends) != len(mendsAgain) {
			t.Errorf("%s: %v, and together %v", name, clash, again)
		}
	}
}

// Nobody who has gone is counted for.
func TestCountingEndsWithTheCaller(t *testing.T) {
	ctx, cancel := context.WithCancel(t.Context())
	cancel()
	if _, err := worstSpread.In(ctx).Space(); !errors.Is(err, context.Canceled) {
		t.Errorf("counted for nobody: %v", err)
	}
	ctx, cancel = context.WithCancel(t.Context())
	s, err := worstSpread.In(ctx).Space()
	if err != nil {
		t.Fatal(err)
	}
	cancel()
	if set := s.Spread(60, 1); len(set) != 0 {
		t.Errorf("a set of %d", len(set))
	}
}

func BenchmarkWorstSpread(b *testing.B) {
	b.ReportAllocs()
	for b.Loop() {
		s, err := worstSpread.In(b.Context()).Space()
		if err != nil {
			b.Fatal(err)
		}
		s.Spread(60, 7)
	}
}

func BenchmarkWorstSpreadByItself(b *testing.B) {
	b.ReportAllocs()
	for b.Loop() {
		space(b, worstSpread).Spread(60, 7)
	}
}
