package choose_test

import (
	"cmp"
	"errors"
	"fmt"
	"math/bits"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"vineswap/core/choose"
	"vineswap/core/piece"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/swap"
	"vineswap/core/task"
)

func space(t testing.TB, c choose.Choice) *choose.Space {
	t.Helper()
	s, err := c.Space()
	if err != nil {
		t.Fatalf("%+v: %v", c, err)
	}
	return s
}

func knots(t testing.TB, text string) choose.Wants {
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
	if got := knots(t, "ones=yes, hundreds=no"); got != (choose.Wants{choose.Yes, choose.Any, choose.No}) {
		t.Errorf("read %v", got)
	}
}

// facts are what plain arithmetic finds in a problem; it shares nothing with the
// programme that counts.
type facts struct {
	op                                task.Kind
	numbers                           []int
	top                               int
	swaps, made, several, exact, zero [place.Count]bool
	gives                             [place.Count]int
	anyZero, anyMade, rest, ten, twin bool
	count, row                        int     // swapping places, zeros crossed in a row
	meets                             [4]bool // by limit of facts: two digits meet that it forbids
	full                              *piece.Holding
}

func pow(p int) int { return place.Place(p).Unit() }

func digit(n, p int) int { return n / pow(p) % 10 }

func factsOf(op task.Kind, lengths, numbers []int) *facts {
	f := &facts{op: op, numbers: numbers, top: slices.Max(lengths) - 1}
	zeroIn := numbers
	switch op {
	case problem.Difference:
		zeroIn = numbers[:1]
		f.taking(numbers[0], numbers[1])
	case problem.Sharing:
		zeroIn = numbers[:1]
		n, by := numbers[0], numbers[1]
		f.rest = n%by > 0
		for p := range f.top + 1 {
			left := n / pow(p) % by
			f.swaps[p], f.several[p], f.gives[p] = left > 0, left > 1, left
		}
	case problem.Trays:
		zeroIn = numbers[:1]
		for p := range f.top + 1 {
			f.added(p, digit(numbers[0], p)*numbers[1], numbers[0]%pow(p)*numbers[1])
		}
	default:
		for p := range f.top + 1 {
			own, below := 0, 0
			for _, n := range numbers {
				own, below = own+digit(n, p), below+n%pow(p)
			}
			f.added(p, own, below)
		}
	}
	for _, n := range zeroIn {
		for p := 0; n >= pow(p); p++ {
			if digit(n, p) == 0 {
				f.zero[p], f.anyZero = true, true
			}
		}
	}
	for p := range f.top + 1 {
		if f.swaps[p] && (op != problem.Sharing || p > 0) {
			f.count++
		}
		f.anyMade = f.anyMade || f.made[p]
		f.meeting(p, lengths)
	}
	return f
}

// added notes a column with its own sum, when the columns below have another.
func (f *facts) added(p, own, below int) {
	sum := own + below/pow(p)
	f.swaps[p], f.several[p], f.gives[p] = sum >= 10, sum >= 20, sum/10
	f.made[p] = f.swaps[p] && own < 10
	f.exact[p] = f.swaps[p] && sum%10 == 0
}

func (f *facts) taking(a, b int) {
	run := 0
	for p := range f.top + 1 {
		given := p > 0 && f.swaps[p-1]
		f.swaps[p] = a%pow(p+1) < b%pow(p+1)
		f.made[p] = f.swaps[p] && given && digit(a, p) == digit(b, p)
		if run++; digit(a, p) != 0 || !given {
			run = 0
		}
		f.row = max(f.row, run)
	}
}

// meeting looks at the digits that meet in a place.
func (f *facts) meeting(p int, lengths []int) {
	meet := func(a, b int) {
		if a > 0 && b > 0 {
			f.meets[1] = f.meets[1] || a+b > 10
			f.meets[2] = f.meets[2] || a != b
			f.meets[3] = f.meets[3] || a+b != 10
		}
	}
	switch f.op {
	case problem.Sharing:
	case problem.Trays:
		for k := 1; k < f.numbers[1]; k++ {
			meet(k*digit(f.numbers[0], p)%10, digit(f.numbers[0], p))
		}
	case problem.Difference:
		lower := digit(f.numbers[1], p)
		if lower == 0 {
			return
		}
		had := digit(f.numbers[0], p) + 10*bit(f.swaps[p])
		if p > 0 {
			had -= bit(f.swaps[p-1])
		}
		meet(had-lower, lower)
		if p == 0 {
			f.ten, f.twin = had == 10, had == 2*lower
		}
	default:
		sum := 0
		for i, n := range f.numbers {
			d := digit(n, p)
			if p >= lengths[i] {
				continue
			}
			meet(sum%10, d)
			sum += d
			for _, m := range f.numbers[:i] {
				if e := digit(m, p); p == 0 && d > 0 && e > 0 {
					f.ten, f.twin = f.ten || d+e == 10, f.twin || d == e
				}
			}
		}
	}
}

func bit(b bool) int {
	if b {
		return 1
	}
	return 0
}

func says(w choose.Want, fact bool) bool { return w == choose.Any || (w == choose.Yes) == fact }

// fit tells whether the problem is as wanted.
func (f *facts) fit(c choose.Choice) bool {
	if f.op == problem.Difference && f.numbers[0] <= f.numbers[1] || c.By > 0 && f.numbers[1] != c.By || f.meets[max(0, slices.Index(choose.FactLimits(), c.Facts))] {
		return false
	}
	for p := range f.top + 1 {
		if !says(c.Swap[p], f.swaps[p]) || !says(c.Made[p], f.made[p]) || !says(c.Several[p], f.several[p]) || !says(c.Exact[p], f.exact[p]) || !says(c.ZeroAt[p], f.zero[p]) || c.Gives[p] > 0 && c.Gives[p] != f.gives[p] {
			return false
		}
	}
	return says(c.Zeros, f.anyZero) && says(c.Cross, f.row > 0) && says(c.Row, f.row > 1) && says(c.Rest, f.rest) && says(c.MakesTen, f.ten) && says(c.Doubles, f.twin) &&
		f.of(c.Stage) && (c.Most == 0 || f.reach() <= int(c.Most)) && f.onTheShelf(c)
}

// reach is the result of joining, or the number worked from.
func (f *facts) reach() int {
	switch f.op {
	case problem.Difference, problem.Sharing:
		return f.numbers[0]
	case problem.Trays:
		return f.numbers[0] * f.numbers[1]
	}
	sum := 0
	for _, n := range f.numbers {
		sum += n
	}
	return sum
}

func (f *facts) of(stage choose.StageID) bool {
	topSwaps, ones := f.swaps[f.top], f.swaps[0]
	switch stage {
	case choose.WithinTen:
		return f.top == 0 && len(f.numbers) == 2 && f.reach() <= 10
	case choose.OverTen:
		return f.top == 0 && len(f.numbers) == 2 && f.reach() > 10
	case choose.TakeWithinTen:
		return f.numbers[0] <= 10
	case choose.BackOverTen:
		return f.numbers[0] >= 11 && f.numbers[0] <= 18 && ones
	case choose.EqualTrays:
		return f.count == 0
	case choose.NoSwap, choose.TakeNoSwap:
		return f.count == 0 && f.top > 0
	case choose.OneSwapOnes:
		return f.count == 1 && ones && !topSwaps
	case choose.OneSwapHigher:
		return f.count == 1 && !ones && !topSwaps
	case choose.SeveralSwaps:
		return f.count >= 2 && !f.anyMade && !topSwaps
	case choose.SwapMakesSwap:
		return f.anyMade && !topSwaps
	case choose.NewPlace:
		return topSwaps && (f.top > 0 || len(f.numbers) > 2)
	case choose.ThreeAddends:
		return len(f.numbers) > 2
	case choose.TakeOneSwapTens:
		return f.count == 1 && ones && f.numbers[0] >= 20
	case choose.TakeOneSwapHigher:
		return f.count == 1 && !ones
	case choose.TakeSeveralSwaps:
		return f.count >= 2 && f.row == 0
	case choose.AcrossOneZero:
		return f.row == 1
	case choose.AcrossZeros:
		return f.row > 1
	case choose.EqualTraysSwap:
		return f.count > 0
	case choose.ShareEven:
		return f.count == 0 && !f.rest
	case choose.ShareSwap:
		return f.count > 0 && !f.rest
	case choose.ShareRemainder:
		return f.rest
	}
	return true
}

func judge(c choose.Choice, numbers []int) bool { return factsOf(c.Kind, c.Digits, numbers).fit(c) }

// problemOf is the problem that the numbers of a choice make.
func problemOf(op task.Kind, numbers []int) problem.Problem {
	if op == "" {
		op = problem.Sum
	}
	list := make([]place.Number, len(numbers))
	for i, n := range numbers {
		list[i] = place.Number(n)
	}
	return problem.Of(op, list...)
}

// onTheShelf works the problem with pieces and looks at the fullest moment.
func (f *facts) onTheShelf(c choose.Choice) bool {
	if c.Laid {
		most := f.numbers[0]
		switch f.op {
		case problem.Trays:
			most *= f.numbers[1]
		case "", problem.Sum:
			for _, n := range f.numbers[1:] {
				most += n
			}
		}
		if most > 9_999 {
			return false
		}
	}
	if c.Limit == [place.Count]int{} {
		return true
	}
	if f.full == nil {
		tr, err := swap.Solve(problemOf(f.op, f.numbers))
		if err != nil {
			panic(err)
		}
		full := tr.Fullest()
		f.full = &full
	}
	for p, most := range c.Limit {
		if most > 0 && int(f.full[p])*max(1, c.Groups) > most {
			return false
		}
	}
	return true
}

// enumerate calls visit with every tuple of numbers of a choice's lengths, and
// with every number of sharers or trays.
func enumerate(c choose.Choice, visit func([]int)) {
	var fill func(numbers []int)
	fill = func(numbers []int) {
		if len(numbers) < len(c.Digits) {
			low := place.Place(c.Digits[len(numbers)] - 1).Unit()
			for n := low; n < low*10; n++ {
				fill(append(numbers, n))
			}
			return
		}
		if c.Kind != problem.Sharing && c.Kind != problem.Trays {
			visit(numbers)
			return
		}
		for by := 2; by <= 9; by++ {
			if c.By == 0 || c.By == by {
				visit(append(numbers, by))
			}
		}
	}
	fill(make([]int, 0, 6))
}

// someWishes is every kind of wish with one choice that asks for it alone.
func someWishes(op task.Kind, digits []int) []choose.Choice {
	var all []choose.Choice
	add := func(set func(c *choose.Choice)) {
		c := choose.Choice{Kind: op, Digits: digits}
		set(&c)
		if c.Valid() == nil {
			all = append(all, c)
		}
	}
	for _, w := range []choose.Want{choose.No, choose.Yes} {
		for p := range digits[0] {
			add(func(c *choose.Choice) { c.Swap[p] = w })
			add(func(c *choose.Choice) { c.Made[p] = w })
			add(func(c *choose.Choice) { c.Several[p] = w })
			add(func(c *choose.Choice) { c.Exact[p] = w })
			add(func(c *choose.Choice) { c.ZeroAt[p] = w })
		}
		add(func(c *choose.Choice) { c.Zeros = w })
		add(func(c *choose.Choice) { c.Cross = w })
		add(func(c *choose.Choice) { c.Row = w })
		add(func(c *choose.Choice) { c.Rest = w })
		add(func(c *choose.Choice) { c.MakesTen = w })
		add(func(c *choose.Choice) { c.Doubles = w })
	}
	for _, f := range choose.FactLimits() {
		add(func(c *choose.Choice) { c.Facts = f })
	}
	for _, stage := range stagesOf(op) {
		add(func(c *choose.Choice) { c.Stage = stage })
	}
	for _, most := range []place.Number{7, 10, 20, 85, 100, 340, 1_000, 4_321} {
		add(func(c *choose.Choice) { c.Most = most })
	}
	add(func(c *choose.Choice) { c.Limit[place.Ones], c.Limit[place.Tens] = 12, 9 })
	add(func(c *choose.Choice) { c.Limit[place.Ones], c.Limit[place.Tens], c.Groups = 30, 40, 3 })
	add(func(c *choose.Choice) { c.Limit[digits[0]] = 1 })
	add(func(c *choose.Choice) { c.Limit[place.Ones], c.Groups = 3, 5 }) // not one for each group
	add(func(c *choose.Choice) { c.By = 4 })
	add(func(c *choose.Choice) { c.Laid = true })
	return all
}

// randomChoice asks for some things at once; what an operation does not know is
// not asked.
func randomChoice(rng *rand.Rand, op task.Kind, digits []int) choose.Choice {
	rarely := func() choose.Want { return choose.Want(max(0, rng.IntN(9)-6)) }
	c := choose.Choice{Kind: op, Digits: digits, Zeros: rarely(), Cross: rarely(), Row: rarely(), Rest: rarely(), MakesTen: rarely(), Doubles: rarely(), Laid: rng.IntN(2) == 0}
	if stages := stagesOf(op); rng.IntN(3) == 0 {
		c.Stage = stages[rng.IntN(len(stages))]
	}
	if rng.IntN(3) == 0 {
		c.Most = choose.Ranges()[rng.IntN(5)].Limit() - place.Number(rng.IntN(12))
	}
	if rng.IntN(4) == 0 {
		c.Facts = choose.FactLimits()[rng.IntN(4)]
	}
	for p := range c.Top() + 1 {
		c.Swap[p] = choose.Want(max(0, rng.IntN(5)-2)) // open more often than tied
		c.Made[p], c.Several[p], c.Exact[p], c.ZeroAt[p] = rarely(), rarely(), rarely(), rarely()
		if rng.IntN(30) == 0 {
			c.Gives[p] = 1 + rng.IntN(3)
		}
		if rng.IntN(6) == 0 {
			c.Limit[p] = 8 + rng.IntN(20)
		}
	}
	if rng.IntN(5) == 0 {
		c.Groups = 1 + rng.IntN(2)
	}
	if op == problem.Sharing || op == problem.Trays {
		c.By = max(0, rng.IntN(16)-6)
	}
	if c.By == 1 {
		c.By = 0
	}
	return c.Fitted()
}

// shapes are the lengths of numbers that can be enumerated.
var shapes = map[task.Kind][][]int{
	problem.Sum:        {{1, 1}, {2, 1}, {2, 2}, {1, 3}, {3, 2}, {1, 2, 1}, {2, 2, 1}, {1, 1, 1, 1}, {4, 1}},
	problem.Difference: {{1, 1}, {2, 1}, {2, 2}, {3, 1}, {3, 2}, {4, 1}},
	problem.Sharing:    {{1}, {2}, {3}, {4}},
	problem.Trays:      {{1}, {2}, {3}, {4}},
}

// Count equals enumeration: every wish alone, and seeded choices of several.
func TestCountIsEnumeration(t *testing.T) {
	rng := rand.New(rand.NewPCG(8, 7))
	for op, list := range shapes {
		t.Run(string(op), func(t *testing.T) {
			t.Parallel()
			rng := rand.New(rand.NewPCG(8, 6))
			for _, digits := range list {
				choices := someWishes(op, digits)
				for range 30 {
					choices = append(choices, randomChoice(rng, op, digits))
				}
				if slices.Max(digits) > 2 && len(digits) > 1 || slices.Max(digits) > 3 { // working each with pieces takes too long
					choices = slices.DeleteFunc(choices, func(c choose.Choice) bool { return c.Limit != [place.Count]int{} })
				}
				counted(t, choices)
			}
		})
	}
	// All pairs of three digits, and three numbers of two.
	for _, c := range []choose.Choice{{Kind: problem.Sum, Digits: []int{3, 3}}, {Kind: problem.Difference, Digits: []int{3, 3}}, {Kind: problem.Sum, Digits: []int{2, 2, 2}}} {
		choices := []choose.Choice{c}
		for range 12 {
			some := randomChoice(rng, c.Kind, c.Digits)
			some.Limit = [place.Count]int{}
			choices = append(choices, some)
		}
		counted(t, choices)
	}
}

// counted holds the count of choices against enumeration.
func counted(t *testing.T, choices []choose.Choice) {
	t.Helper()
	want := make([]int, len(choices))
	enumerate(choose.Choice{Kind: choices[0].Kind, Digits: choices[0].Digits}, func(numbers []int) {
		f := factsOf(choices[0].Kind, choices[0].Digits, numbers)
		for i, c := range choices {
			want[i] += bit(f.fit(c))
		}
	})
	for i, c := range choices {
		if got := space(t, c).Fits().String(); got != fmt.Sprint(want[i]) {
			t.Fatalf("%+v: counted %s, enumerated %d", c, got, want[i])
		}
	}
}

// anyShape takes an operation and lengths that can be enumerated.
func anyShape(rng *rand.Rand) (task.Kind, []int) {
	op := choose.Kinds()[rng.IntN(4)]
	return op, shapes[op][rng.IntN(3)]
}

func ints(numbers []place.Number) []int {
	plain := make([]int, len(numbers))
	for i, n := range numbers {
		plain[i] = int(n)
	}
	return plain
}

// Index and problem belong to each other one to one, both ways.
func TestEveryIndexIsAnotherProblem(t *testing.T) {
	rng := rand.New(rand.NewPCG(4, 4))
	for range 150 {
		op, digits := anyShape(rng)
		c := randomChoice(rng, op, digits)
		s := space(t, c)
		seen := map[string]bool{}
		for i := range s.Fits().Big().Uint64() {
			numbers := s.At(choose.CountOf(i))
			seen[fmt.Sprint(numbers)] = true
			if !judge(c, ints(numbers)) {
				t.Fatalf("%+v: %v is number %d", c, numbers, i)
			}
			if back, ok := s.Index(numbers); !ok || back != choose.CountOf(i) {
				t.Fatalf("%+v: %v is number %d, and found at %v", c, numbers, i, back)
			}
		}
		if got := fmt.Sprint(len(seen)); got != s.Fits().String() {
			t.Fatalf("%+v: %s different problems of %s", c, got, s.Fits())
		}
		enumerate(c, func(numbers []int) {
			p := problemOf(op, numbers)
			if _, ok := s.Index(p.Numbers); ok != judge(c, numbers) {
				t.Fatalf("%+v: %v is found: %v", c, numbers, ok)
			}
		})
	}
}

// Problems that are left out are never drawn, all others are, and the count says
// so.
func TestNotAgain(t *testing.T) {
	rng := rand.New(rand.NewPCG(14, 14))
	for range 60 {
		op, digits := anyShape(rng)
		s := space(t, randomChoice(rng, op, digits))
		some := s.Draw(rng.IntN(40), rng.Uint64())
		again := append(some, []place.Number{99, 1}, []place.Number{1}, []place.Number{123_456, 9})
		if len(some) > 0 {
			again = append(again, some[0]) // twice worked is left out once
		}
		less := s.Except(again)
		if want := s.Fits().Big().Int64() - int64(less.LeftOut()); less.Fits().Big().Int64() != want || less.LeftOut() < len(some) || less.LeftOut() > len(some)+2 {
			t.Fatalf("%d of %v are left out, %v are left", less.LeftOut(), s.Fits(), less.Fits())
		}
		seen := map[string]bool{}
		for _, numbers := range less.Draw(100_000, 3) {
			seen[fmt.Sprint(numbers)] = true
		}
		for _, numbers := range again {
			if seen[fmt.Sprint(numbers)] {
				t.Fatalf("%v was drawn again", numbers)
			}
		}
		if fmt.Sprint(len(seen)) != less.Fits().String() {
			t.Fatalf("%d drawn of %v", len(seen), less.Fits())
		}
	}
}

// Every drawn problem, worked with pieces, makes exactly the swaps asked for,
// and belongs to the stage that it was drawn for.
func TestDrawnProblemsSwapAsAsked(t *testing.T) {
	rng := rand.New(rand.NewPCG(7, 7))
	large := map[task.Kind][][]int{
		problem.Sum:        {{4, 4}, {4, 3}, {3, 3}, {2, 4}, {6, 6}, {3, 3, 3}, {2, 2, 2, 2, 2, 2}, {6, 5, 4, 3}},
		problem.Difference: {{4, 4}, {4, 3}, {6, 6}, {5, 2}, {3, 3}}, problem.Sharing: {{3}, {4}, {6}}, problem.Trays: {{3}, {4}, {5}},
	}
	drawn := map[task.Kind]int{}
	for range 1_200 {
		op := choose.Kinds()[rng.IntN(4)]
		c := randomChoice(rng, op, large[op][rng.IntN(len(large[op]))])
		for _, numbers := range space(t, c).Draw(20, rng.Uint64()) {
			drawn[op]++
			tr, err := swap.Solve(problemOf(op, ints(numbers)))
			if err != nil {
				t.Fatal(err)
			}
			for p := range c.Top() + 1 {
				got := swaps(tr, p)
				if w := c.Swap[p]; w == choose.Yes && got == 0 || w == choose.No && got > 0 {
					t.Fatalf("%+v: %v swaps %v", c, numbers, tr.Swaps)
				}
				if w := c.Several[p]; w == choose.Yes && got < 2 || w == choose.No && got > 1 {
					t.Fatalf("%+v: %v swaps %v", c, numbers, tr.Swaps)
				}
			}
			if c.Top() <= place.Thousands && c.Stage != "" && c.Stage != choose.AnySum && c.Stage != choose.AnyDifference && choose.StageOf(tr.Problem) != c.Stage && len(numbers) == 2 {
				t.Fatalf("%v was drawn for %s and belongs to %s", numbers, c.Stage, choose.StageOf(tr.Problem))
			}
			if !judge(c, ints(numbers)) {
				t.Fatalf("%+v: drew %v", c, numbers)
			}
		}
	}
	for _, op := range choose.Kinds() {
		if drawn[op] < 1_000 {
			t.Errorf("only %d problems of %s were drawn", drawn[op], op)
		}
	}
}

// swaps counts the swaps of a place: up out of it in joining, down into it in
// taking, what is left there after dealing in sharing.
func swaps(t swap.Trace, p place.Place) int {
	n := 0
	for _, s := range t.Swaps {
		if s.From == p && t.Problem.Kind != problem.Difference || s.To == p && t.Problem.Kind == problem.Difference {
			n++
		}
	}
	if p == place.Ones {
		n += int(t.Remainder)
	}
	return n
}

// Draws from a space of 1,260 are uniform: the chi-square statistic of 126,000
// first draws lies within five standard deviations of its mean. So are those that
// leave problems out.
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
		op, digits := anyShape(rng)
		c := randomChoice(rng, op, digits)
		want := map[string]bool{}
		enumerate(c, func(numbers []int) {
			if !judge(c, numbers) {
				return
			}
			sum := 0
			for i, n := range numbers {
				sum += n
				for p := range c.Digits[min(i, len(c.Digits)-1)] {
					if i < len(c.Digits) {
						want[fmt.Sprintf("number %d place %d digit %d", i, p, n/place.Place(p).Unit()%10)] = true
					}
				}
			}
			switch op {
			case problem.Difference:
				sum = numbers[0] - numbers[1]
			case problem.Sharing:
				sum = numbers[0] / numbers[1]
			case problem.Trays:
				sum = numbers[0] * numbers[1]
			}
			if op == problem.Sharing || op == problem.Trays {
				want[fmt.Sprintf("by %d", numbers[1])] = true
			}
			for p := range int(c.Top()) + 1 {
				want[fmt.Sprintf("sum place %d digit %d", p, sum/place.Place(p).Unit()%10)] = true
			}
		})
		got := map[string]bool{}
		lanes, by := space(t, c).Lanes()
		for _, n := range by.List() {
			got[fmt.Sprintf("by %d", n)] = true
		}
		for _, lane := range lanes {
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
		{"single digits, at most ten", "7+3", choose.WithinTen},
		{"with nothing", "0+4", choose.WithinTen},
		{"single digits, more than ten", "7+5", choose.OverTen},
		{"three single digits", "7+5+9", choose.ThreeAddends},
		{"two digits and one", "12+5", choose.NoSwap},
		{"the highest, made by a swap", "57+48", choose.NewPlace},
		{"a blank in the highest column", "996+7", choose.NewPlace},
		{"three numbers", "28+19+15", choose.ThreeAddends},
		{"five digits", "12345+1", choose.AnySum},
		{"three of five digits", "12345+1+2", choose.AnySum},
		{"taking from at most ten", "10-3", choose.TakeWithinTen},
		{"all of it", "7-7", choose.TakeWithinTen},
		{"back over ten", "13-8", choose.BackOverTen},
		{"not back over ten", "18-5", choose.TakeNoSwap},
		{"all of two digits", "25-25", choose.TakeNoSwap},
		{"from twenty", "20-7", choose.TakeOneSwapTens},
		{"over a zero", "503-128", choose.AcrossOneZero},
		{"over a zero from one hundred", "100-1", choose.AcrossOneZero},
		{"over two", "1000-1", choose.AcrossZeros},
		{"five digits to take from", "10000-9999", choose.AnyDifference},
		{"a rest", "97/4", choose.ShareRemainder},
		{"shared with a swap", "96/4", choose.ShareSwap},
		{"shared evenly", "84/4", choose.ShareEven},
		{"trays that swap", "26*3", choose.EqualTraysSwap},
		{"trays", "21*4", choose.EqualTrays},
		{"groups have no stage", "52:4", ""},
	} {
		t.Run(c.name, func(t *testing.T) {
			p, err := problem.Parse(c.text)
			if err != nil {
				t.Fatal(err)
			}
			if got := choose.StageOf(p); got != c.want {
				t.Errorf("%s belongs to %s, want %s", c.text, got, c.want)
			}
		})
	}
}

// The stages of two addends share out all sums up to four digits: no sum is in two
// of them, and none is left over. So do the stages of taking, of trays and of
// sharing; any sum and any difference take what the others have.
func TestStagesPartition(t *testing.T) {
	beside := []choose.StageID{choose.ThreeAddends, choose.AnySum, choose.AnyDifference}
	for _, c := range []choose.Choice{
		{Digits: []int{1, 1}}, {Digits: []int{2, 1}}, {Digits: []int{2, 2}}, {Digits: []int{3, 3}}, {Digits: []int{4, 4}}, {Digits: []int{4, 2}}, {Digits: []int{1, 3}},
		{Kind: problem.Difference, Digits: []int{1, 1}}, {Kind: problem.Difference, Digits: []int{2, 1}}, {Kind: problem.Difference, Digits: []int{2, 2}}, {Kind: problem.Difference, Digits: []int{4, 4}}, {Kind: problem.Difference, Digits: []int{4, 2}},
		{Kind: problem.Sharing, Digits: []int{3}}, {Kind: problem.Trays, Digits: []int{3}}, {Kind: problem.Sharing, Digits: []int{1}},
	} {
		sum := uint64(0)
		for _, stage := range stagesOf(cmp.Or(c.Kind, problem.Sum)) {
			if slices.Contains(beside, stage) {
				continue
			}
			c := c
			c.Stage = stage
			sum += space(t, c).Fits().Big().Uint64()
		}
		if all := space(t, c).Fits().Big().Uint64(); sum != all {
			t.Errorf("%s of %v: the stages hold %d of %d", c.Kind, c.Digits, sum, all)
		}
	}
}

// One rule decides what is drawn for a stage and what counts for it: a problem has
// an index in the stage's numbers just when the stage accepts it.
func TestAcceptedIsWhatIsDrawn(t *testing.T) {
	rng := rand.New(rand.NewPCG(13, 31))
	held := map[choose.StageID]int{}
	lengths := map[task.Kind][][]int{
		problem.Sum:        {{1, 1}, {2, 1}, {2, 2}, {3, 3}, {4, 3}, {4, 4}, {6, 5}, {2, 2, 2}, {1, 1, 1, 1}, {3, 1, 2}},
		problem.Difference: {{1, 1}, {2, 1}, {2, 2}, {3, 2}, {3, 3}, {4, 3}, {4, 4}, {6, 4}},
		problem.Sharing:    {{1}, {2}, {4}}, problem.Trays: {{1}, {2}, {4}},
	}
	for i := range 2_000 {
		kind := choose.Kinds()[i%4]
		digits := lengths[kind][rng.IntN(len(lengths[kind]))]
		all := space(t, choose.Choice{Kind: kind, Digits: digits})
		numbers := all.Draw(1, rng.Uint64())[0]
		p := problem.Of(kind, numbers...)
		if own := choose.StageOf(p); own == "" || !own.Accepts(p) {
			t.Fatalf("%v belongs to %q, which does not accept it", p, own)
		}
		for _, stage := range stagesOf(kind) {
			_, drawn := space(t, choose.Choice{Kind: kind, Digits: digits, Stage: stage}).Index(numbers)
			if accepts := stage.Accepts(p); accepts != drawn || accepts != factsOf(kind, digits, ints(numbers)).of(stage) {
				t.Fatalf("%v at %s: drawn %t, accepted %t", p, stage, drawn, accepts)
			}
			held[stage] += bit(drawn)
		}
	}
	for _, stage := range choose.Stages() {
		if held[stage] == 0 {
			t.Errorf("nothing was tried that is of %s", stage)
		}
		if other := problem.Of(problem.Grouping, 52, 4); stage.Accepts(other) {
			t.Errorf("%s accepts groups", stage)
		}
	}
}

// What numbers below a range can show, and which stages they have.
func TestRanges(t *testing.T) {
	for _, c := range []struct {
		stage  choose.StageID
		limit  place.Number
		within bool
		asks   string
	}{
		{choose.WithinTen, 20, true, "[]"},
		{choose.OneSwapOnes, 20, false, "[]"},
		{choose.OneSwapOnes, 100, true, "[swap/ones]"},
		{choose.NewPlace, 100, false, "[]"},
		{choose.NewPlace, 1_000, true, "[]"},
		{choose.OneSwapHigher, 100, false, "[]"},
		{choose.OneSwapHigher, 1_000, true, "[swap/tens]"},
		{choose.OneSwapHigher, 10_000, true, "[swap/tens swap/hundreds]"},
		{choose.SeveralSwaps, 1_000, true, "[swap/ones swap/tens]"},
		{choose.SwapMakesSwap, 1_000, true, "[made/tens]"},
		{choose.SwapMakesSwap, 0, true, "[made/tens made/hundreds]"},
		{choose.AnySum, 10_000, false, "[]"},
		{choose.AnySum, 1_000_000, true, "[]"},
		{choose.BackOverTen, 20, true, "[]"},
		{choose.TakeOneSwapTens, 20, false, "[]"},
		{choose.TakeOneSwapHigher, 1_000, true, "[swap/tens]"},
		{choose.AcrossOneZero, 100, false, "[]"},
		{choose.AcrossOneZero, 1_000, true, "[]"},
		{choose.AcrossZeros, 1_000, false, "[]"},
		{choose.AnyDifference, 1_000_000, true, "[]"},
	} {
		if got := c.stage.Within(c.limit); got != c.within || fmt.Sprint(c.stage.Asks(c.limit)) != c.asks {
			t.Errorf("%s below %v: %t, asks %v", c.stage, c.limit, got, c.stage.Asks(c.limit))
		}
	}
}

// Least is exactly where a stage begins to have problems.
func TestLeast(t *testing.T) {
	for _, stage := range choose.Stages() {
		for n := 1; n <= 6; n++ {
			c := choose.Choice{Kind: stage.Kind(), Stage: stage, Digits: slices.Repeat([]int{n}, stage.Numbers())}
			switch stage {
			case choose.AnySum, choose.AnyDifference:
				continue // they take anything, and are meant for five digits and six
			case choose.WithinTen, choose.OverTen, choose.TakeWithinTen, choose.BackOverTen:
				if n > 1 {
					continue // their numbers are not that long
				}
			}
			none := space(t, c).Fits().IsZero()
			if none != (n < stage.Least()) {
				t.Errorf("%s with %d digits: none is %v, the least is %d", stage, n, none, stage.Least())
			}
		}
	}
}

// Lengths are fitted to a stage so that it has problems, and again changes nothing.
func TestFit(t *testing.T) {
	for _, c := range []struct {
		stage  choose.StageID
		digits []int
		want   []int
	}{
		{choose.OneSwapOnes, nil, []int{2, 2}},
		{choose.OneSwapHigher, []int{2, 2}, []int{3, 3}},
		{choose.NoSwap, []int{4, 2}, []int{4, 2}},
		{choose.NoSwap, []int{6, 5}, []int{4, 4}},
		{choose.AnySum, []int{6, 5}, []int{6, 5}},
		{choose.AnySum, []int{2, 2}, []int{5, 5}},
		{choose.ThreeAddends, []int{3, 2}, []int{3, 2, 2}},
		{choose.ThreeAddends, []int{2, 2, 2, 2}, []int{2, 2, 2, 2}},
		{choose.NoSwap, []int{2, 2, 2, 2}, []int{2, 2}},
		{choose.WithinTen, nil, []int{1, 1}},
		{choose.TakeWithinTen, nil, []int{1, 1}},
		{choose.BackOverTen, []int{3, 3}, []int{2, 1}},
		{choose.ShareSwap, nil, []int{2}},
		{choose.AcrossZeros, []int{3, 1}, []int{4, 4}},
	} {
		got := c.stage.Fit(c.digits)
		if !slices.Equal(got, c.want) || !slices.Equal(c.stage.Fit(got), got) {
			t.Errorf("%s: %v becomes %v, wanted %v", c.stage, c.digits, got, c.want)
		}
		if space(t, choose.Choice{Kind: c.stage.Kind(), Stage: c.stage, Digits: got}).Fits().IsZero() {
			t.Errorf("%s of %v has no problem", c.stage, got)
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
		{"a 0 in ones that swap", choose.Choice{Digits: []int{2, 2}, Zeros: choose.Yes, Swap: knots(t, "ones=yes,tens=no")}, "[zeros yes knot ones yes]", 4},
		{"thousands without a piece", choose.Choice{Digits: []int{4, 4}, Laid: true, Swap: knots(t, "thousands=yes")}, "[laid knot thousands yes]", 2},
		{"against the stage", choose.Choice{Digits: []int{3, 3}, Stage: choose.NoSwap, Swap: knots(t, "tens=yes,ones=no")}, "[joining/no-swap knot tens yes]", 3},
		{"a blank that can only be reached", choose.Choice{Digits: []int{3, 1}, Swap: knots(t, "ones=no,tens=yes")}, "[knot ones no knot tens yes]", 4},
		{"nothing wrong", choose.Choice{Digits: []int{3, 3}}, "[]", 0},
		{"the ones cannot be all", choose.Choice{Digits: []int{1, 1}, Stage: choose.OneSwapOnes}, "[joining/one-swap-ones]", 2},
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
				if got := space(t, m.Choice).Fits(); got != m.Fits || got.IsZero() {
					t.Errorf("letting %v go gives %v, said %v", m.Wishes, got, m.Fits)
				}
			}
		})
	}
}

// Where nothing fits, no smaller set of wishes is a contradiction than the one that is
// named, and at least one way is offered that leaves problems.
func TestConflictsAreSmallAndMended(t *testing.T) {
	rng := rand.New(rand.NewPCG(15, 28))
	clashes := 0
	for range 700 {
		op := choose.Kinds()[rng.IntN(4)]
		c := randomChoice(rng, op, shapes[op][rng.IntN(len(shapes[op]))]).In(t.Context())
		clash, mends := c.Conflict()
		if (len(clash) > 0) != space(t, c).Fits().IsZero() {
			t.Fatalf("%+v: %d wishes are blamed", c, len(clash))
		}
		if len(clash) == 0 {
			continue
		}
		clashes++
		if len(mends) == 0 {
			t.Fatalf("%+v: %v, and no way out", c, clash)
		}
		for _, m := range mends {
			if got := space(t, m.Choice).Fits(); got != m.Fits || got.IsZero() {
				t.Fatalf("%+v: %v leaves %v, said %v", c, m.Wishes, got, m.Fits)
			}
		}
		all := c.Wishes()
		for set := range 1 << len(all) {
			size := bits.OnesCount(uint(set))
			if size >= len(clash) || len(all) > 10 {
				continue
			}
			only := c
			for i, w := range all {
				if set>>i&1 == 0 {
					only = only.Without(w)
				}
			}
			if space(t, only).Fits().IsZero() {
				t.Fatalf("%+v: %v are blamed, though %v cannot be together", c, clash, only.Wishes())
			}
		}
	}
	if clashes < 150 {
		t.Errorf("only %d choices had no problem", clashes)
	}
}

// A stage that needs a zero is told from the others.
func TestStagesThatNeedAZero(t *testing.T) {
	for _, kind := range choose.Kinds() {
		for _, stage := range stagesOf(kind) {
			want := stage == choose.AcrossOneZero || stage == choose.AcrossZeros
			if stage.NeedsZero() != want {
				t.Errorf("%s needs a zero: %t", stage, !want)
			}
		}
	}
}

// What is out of range is an error, or a panic as it is documented.
func TestOutOfRange(t *testing.T) {
	s := space(t, choose.Choice{Digits: []int{1, 1}})
	for name, act := range map[string]func(){
		"an index too large": func() { s.At(s.Fits()) },
		"a draw below none":  func() { s.Draw(-1, 1) },
	} {
		t.Run(name, func(t *testing.T) {
			defer func() {
				if recover() == nil {
					t.Error("nothing panicked")
				}
			}()
			act()
		})
	}
	if got := choose.Want(7).String(); got != "want 7" {
		t.Error(got)
	}
	for name, c := range map[string]struct {
		choice choose.Choice
		field  string
		err    error
	}{
		"a wish that is none":     {choose.Choice{Digits: []int{2, 2}, Zeros: 5}, "zeros", choose.ErrWant},
		"one of a place":          {choose.Choice{Digits: []int{2, 2}, Swap: choose.Wants{-1}}, "knot", choose.ErrWant},
		"nine at once":            {choose.Choice{Digits: []int{2, 2}, Gives: choose.Gives{9}}, "gives", choose.ErrGives},
		"given in taking":         {choose.Choice{Kind: problem.Difference, Digits: []int{2, 2}, Gives: choose.Gives{1}}, "gives", choose.ErrSuits},
		"given where nothing is":  {choose.Choice{Digits: []int{1, 1}, Gives: choose.Gives{0, 1}}, "gives", choose.ErrNoPlace},
		"lengths":                 {choose.Choice{Digits: []int{2, 9}}, "digits", choose.ErrDigits},
		"a stage of another kind": {choose.Choice{Digits: []int{2, 2}, Stage: choose.AcrossZeros}, "stage", choose.ErrSuits},
	} {
		err := c.choice.Valid()
		var fault *choose.Fault
		if !errors.Is(err, c.err) || !errors.As(err, &fault) || fault.Field != c.field {
			t.Errorf("%s: %v, %+v", name, err, fault)
		}
	}
}

// A knot left open holds the problems of both its tied states.
func TestKnotCountsAddUp(t *testing.T) {
	c := choose.Choice{Digits: []int{4, 4}, Stage: choose.SeveralSwaps, Laid: true}
	knots := c.Knots()
	for _, k := range knots {
		if k.Counts[choose.Any].Big().Uint64() != k.Counts[choose.No].Big().Uint64()+k.Counts[choose.Yes].Big().Uint64() {
			t.Errorf("%v: %v", k.Place, k.Counts)
		}
	}
	if len(knots) != 4 || knots[3].Tied != choose.No || !knots[3].ByStage || knots[0].Tied != choose.Any || knots[0].ByStage {
		t.Errorf("the stage ties the highest place and no other: %+v", knots)
	}
}

// Only places that can swap have a knot, and one that is left no choice shows as tied.
func TestKnots(t *testing.T) {
	for name, c := range map[string]struct {
		choice choose.Choice
		want   string
	}{
		"joining":              {choose.Choice{Digits: []int{2, 2}}, "ones any, tens any"},
		"tied by hand":         {choose.Choice{Digits: []int{2, 2}, Swap: choose.Wants{place.Ones: choose.Yes}}, "ones yes, tens any"},
		"by the stage":         {choose.Choice{Digits: []int{2, 2}, Stage: choose.OneSwapOnes}, "ones yes by the stage, tens no by the stage"},
		"taking":               {choose.Choice{Kind: problem.Difference, Digits: []int{3, 2}}, "ones any, tens any"},
		"taking single digits": {choose.Choice{Kind: problem.Difference, Digits: []int{1, 1}}, "ones no by the stage"},
		"sharing":              {choose.Choice{Kind: problem.Sharing, Digits: []int{2}, By: 4}, "tens any"},
		"trays":                {choose.Choice{Kind: problem.Trays, Digits: []int{2}, By: 3}, "ones any, tens any"},
	} {
		var said []string
		for _, k := range c.choice.Knots() {
			text := k.Place.String() + " " + k.Tied.String()
			if k.ByStage {
				text += " by the stage"
			}
			said = append(said, text)
		}
		if got := strings.Join(said, ", "); got != c.want {
			t.Errorf("%s: %s", name, got)
		}
	}
}

// The figure of a stage is that of numbers which it accepts.
func TestFigures(t *testing.T) {
	for _, c := range []struct {
		stage choose.StageID
		p     problem.Problem
	}{
		{choose.NoSwap, problem.Of(problem.Sum, 1234, 2345)},
		{choose.OneSwapOnes, problem.Of(problem.Sum, 1238, 2345)},
		{choose.WithinTen, problem.Of(problem.Sum, 4, 3)},
		{choose.OverTen, problem.Of(problem.Sum, 8, 5)},
		{choose.BackOverTen, problem.Of(problem.Difference, 13, 8)},
		{choose.AcrossOneZero, problem.Of(problem.Difference, 4504, 1268)},
		{choose.AcrossZeros, problem.Of(problem.Difference, 5003, 1268)},
	} {
		f := c.stage.Figure()
		if !c.stage.Accepts(c.p) {
			t.Errorf("%s refuses %s", c.stage, c.p)
		}
		if longest := c.p.Numbers[0].Length(); len(f.Knots) != longest || len(f.Zeros) != longest {
			t.Errorf("%s is drawn with %d places, its example has %d", c.stage, len(f.Knots), longest)
		}
		zeros := 0
		for p, hollow := range f.Zeros {
			if hollow {
				zeros++
				if f.Knots[p] != choose.Yes {
					t.Errorf("%s: what is crossed at %d swaps", c.stage, p)
				}
			}
		}
		if want := map[choose.StageID]int{choose.AcrossOneZero: 1, choose.AcrossZeros: 2}[c.stage]; zeros != want || f.Made != (want > 0) {
			t.Errorf("%s: %+v", c.stage, f)
		}
	}
}

func ExampleChoice_Space() {
	swaps, _ := choose.ParseSwaps("ones=yes,tens=no")
	s, _ := choose.Choice{Digits: []int{2, 2}, Swap: swaps}.Space()
	fmt.Println(s.Fits(), s.Draw(2, 7))
	// Output: 1260 [[16 77] [58 18]]
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

func stagesOf(kind task.Kind) []choose.StageID {
	return slices.DeleteFunc(choose.Stages(), func(s choose.StageID) bool { return s.Kind() != kind })
}

// Numbers go as far as the class's, and are of lengths that leave a hand to draw from.
func TestUpTo(t *testing.T) {
	two := []int{2, 2}
	for name, c := range map[string]struct {
		choice choose.Choice
		to     choose.Range
		digits []int
		most   place.Number
	}{
		"nothing to limit":              {choose.Choice{Digits: two, Stage: choose.OneSwapOnes}, "10000", two, 0},
		"enough within it":              {choose.Choice{Digits: two, Stage: choose.OneSwapOnes}, "100", two, 100},
		"by hand, as it is":             {choose.Choice{Digits: two}, "20", two, 20},
		"none of these lengths":         {choose.Choice{Digits: []int{2, 2, 2}, Stage: choose.ThreeAddends}, "20", []int{1, 1, 1}, 20},
		"too few of them":               {choose.Choice{Digits: two, Stage: choose.NoSwap}, "20", []int{2, 1}, 20},
		"taking":                        {choose.Choice{Kind: problem.Difference, Digits: two, Stage: choose.TakeNoSwap}, "20", two, 20},
		"nowhere, so the lengths asked": {choose.Choice{Digits: []int{3, 3}, Stage: choose.SeveralSwaps}, "100", []int{3, 3}, 100},
	} {
		got := c.choice.UpTo(c.to)
		if !slices.Equal(got.Digits, c.digits) || c.most > 0 && got.Most != c.most {
			t.Errorf("%s: %v up to %d", name, got.Digits, got.Most)
		}
	}
}

// Every stage that is shown in a range has problems there to draw.
func TestEveryStageOfARangeDraws(t *testing.T) {
	for _, r := range choose.Ranges() {
		for _, stage := range choose.Stages() {
			if !stage.Within(r.Limit()) {
				continue
			}
			c := choose.Choice{Kind: stage.Kind(), Stage: stage, Digits: stage.Fit(nil)}
			s, err := c.UpTo(r).Space()
			if err != nil || s.Fits().IsZero() {
				t.Errorf("%s up to %s: nothing fits, %v", stage, r, err)
			}
		}
	}
}
