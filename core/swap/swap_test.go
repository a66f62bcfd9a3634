package swap_test

import (
	"encoding/json"
	"errors"
	"fmt"
	"math/rand/v2"
	"slices"
	"testing"

	"vineswap/core/place"
	"vineswap/core/swap"
)

func TestParse(t *testing.T) {
	for _, c := range []struct {
		name, text, want string
		err              error
	}{
		{"two numbers", "47+25", "47+25", nil},
		{"spaces", " 47 +  25 ", "47+25", nil},
		{"six numbers", "1+2+3+4+5+6", "1+2+3+4+5+6", nil},
		{"nothing", "", "", place.ErrNoDigits},
		{"unfinished", "47+", "", place.ErrNoDigits},
		{"nothing before", "+25", "", place.ErrNoDigits},
		{"a gap", "47++25", "", place.ErrNoDigits},
		{"one number", "47", "", swap.ErrAddends},
		{"seven numbers", "1+2+3+4+5+6+7", "", swap.ErrAddends},
		{"letters", "abc", "", place.ErrNotDigits},
		{"negative", "-3+4", "", place.ErrNotDigits},
		{"leading zeros", "0047+25", "", place.ErrLeadingZero},
		{"too many digits", "1234567+1", "", place.ErrTooLong},
		{"taking away", "62-38", "62-38", nil},
		{"a printed minus", " 62 − 38", "62-38", nil},
		{"the smaller first", "3-5", "", swap.ErrLarger},
		{"taking twice", "9-3-2", "", swap.ErrTwo},
		{"taking nothing written", "9-", "", place.ErrNoDigits},
		{"sharing", "97 / 4", "97/4", nil},
		{"a printed division", "96÷4", "96/4", nil},
		{"grouping", "78:6", "78:6", nil},
		{"equal trays", "213*3", "213*3", nil},
		{"a printed times", "213 × 3", "213*3", nil},
		{"shared by nobody", "8/0", "", swap.ErrSharers},
		{"by one alone", "8/1", "", swap.ErrSharers},
		{"by twelve", "8/12", "", swap.ErrSharers},
		{"shared twice", "96/4/2", "", swap.ErrTwo},
		{"ten trays", "2*10", "", swap.ErrSharers},
		{"grouping without end", "1000:2", "", swap.ErrGrouped},
		{"two operations", "97/4*2", "", swap.ErrOperation},
		{"mixed", "2+3-1", "", swap.ErrOperation},
		{"a number with a gap", "4 7+2", "", place.ErrNotDigits},
	} {
		t.Run(c.name, func(t *testing.T) {
			p, err := swap.Parse(c.text)
			if !errors.Is(err, c.err) || err == nil && p.String() != c.want {
				t.Errorf("Parse(%q) = %v, %v; want %q, %v", c.text, p, err, c.want, c.err)
			}
			var placed *swap.ExpressionError
			if err != nil && !errors.As(err, &placed) {
				t.Errorf("%v does not say where", err)
			}
		})
	}
}

func TestParseSaysWhere(t *testing.T) {
	for text, at := range map[string]int{"47+2x": 3, "47+ 0025": 4, "12-3x": 3, "12+30-4": 5} {
		_, err := swap.Parse(text)
		var placed *swap.ExpressionError
		if !errors.As(err, &placed) || placed.At != at {
			t.Errorf("%q: %v, wanted the mistake at %d", text, err, at)
		}
	}
}

func mustSolve(t *testing.T, p swap.Problem) swap.Trace {
	t.Helper()
	trace, err := swap.Solve(p)
	if err != nil {
		t.Fatalf("%v: %v", p, err)
	}
	return trace
}

func TestSolveStepByStep(t *testing.T) {
	trace := mustSolve(t, swap.SumOf(47, 25))
	want := []string{
		"before/0 estimate {}",
		"lay-out/0 set-out {}",
		`lay-out/1 build {"tray-1":{"ones":7,"tens":4}}`,
		`lay-out/2 label {"tray-1":{"ones":7,"tens":4}}`,
		`lay-out/3 build {"tray-1":{"ones":7,"tens":4},"tray-2":{"ones":5,"tens":2}}`,
		`lay-out/4 label {"tray-1":{"ones":7,"tens":4},"tray-2":{"ones":5,"tens":2}}`,
		`join/0 join {"joined":{"ones":12,"tens":6}}`,
		`work/ones/0 count {"joined":{"ones":12,"tens":6}}`,
		`work/ones/1 stop {"joined":{"ones":12,"tens":6}}`,
		`work/ones/2 swap {"joined":{"ones":2,"tens":7}}`,
		`work/ones/3 write {"joined":{"ones":2,"tens":7}}`,
		`work/tens/0 count {"joined":{"ones":2,"tens":7}}`,
		`work/tens/1 write {"joined":{"ones":2,"tens":7}}`,
		`read/0 slide {"joined":{"ones":2,"tens":7}}`,
		`read/1 read {"joined":{"ones":2,"tens":7}}`,
		`read/2 say-back {"joined":{"ones":2,"tens":7}}`,
		`read/3 sentence {"joined":{"ones":2,"tens":7}}`,
		`check/0 count-pieces {"joined":{"ones":2,"tens":7}}`,
		`check/1 other-way {"joined":{"ones":2,"tens":7}}`,
	}
	var got []string
	for _, s := range trace.Steps {
		zones, err := json.Marshal(s.Zones)
		if err != nil {
			t.Fatal(err)
		}
		got = append(got, fmt.Sprintf("%v %s %s", s.At, s.Kind, zones))
	}
	if !slices.Equal(got, want) {
		t.Errorf("got\n%v\nwant\n%v", got, want)
	}
}

func TestAnswers(t *testing.T) {
	for _, c := range []struct {
		name, text string
		answer     place.Number
		swaps      string
	}{
		{"no swap", "42+25", 67, "[]"},
		{"one", "47+25", 72, "[ones to tens]"},
		{"two", "368+275", 643, "[ones to tens tens to hundreds]"},
		{"two tens at once", "28+19+15", 62, "[ones to tens ones to tens]"},
		{"exactly ten, and it makes a swap", "157+843", 1000, "[ones to tens tens to hundreds hundreds to thousands]"},
		{"a carry into a blank", "996+7", 1003, "[ones to tens tens to hundreds hundreds to thousands]"},
		{"nothing", "0+0", 0, "[]"},
		{"beyond the pieces", "999999+999999", 1_999_998, "[ones to tens tens to hundreds hundreds to thousands thousands to ten-thousands ten-thousands to hundred-thousands hundred-thousands to millions]"},
	} {
		t.Run(c.name, func(t *testing.T) {
			p, err := swap.Parse(c.text)
			if err != nil {
				t.Fatal(err)
			}
			trace := mustSolve(t, p)
			if got := fmt.Sprint(trace.Swaps); trace.Answer != c.answer || got != c.swaps {
				t.Errorf("%s = %d with %s; want %d with %s", c.text, trace.Answer, got, c.answer, c.swaps)
			}
		})
	}
}

// randomSum makes 2 to 6 addends of 1 to 6 digits, small and unequal lengths
// as likely as large ones.
func randomSum(rng *rand.Rand) swap.Problem {
	numbers := make([]place.Number, swap.FewestAddends+rng.IntN(swap.MostAddends-1))
	for i := range numbers {
		numbers[i] = place.Number(rng.IntN(place.Place(1 + rng.IntN(place.MostDigits)).Unit()))
	}
	return swap.SumOf(numbers...)
}

// sumOfCarries is computed with plain arithmetic, apart from the trace.
func sumOfCarries(numbers []place.Number) int {
	carries := 0
	for unit := 10; unit <= 10_000_000; unit *= 10 {
		whole, parts := 0, 0
		for _, n := range numbers {
			whole += int(n)
			parts += int(n) / unit
		}
		carries += whole/unit - parts
	}
	return carries
}

func TestLawsOfJoining(t *testing.T) {
	rng := rand.New(rand.NewPCG(2026, 11))
	for range 4_000 {
		p := randomSum(rng)
		trace := mustSolve(t, p)
		if err := trace.Verify(); err != nil {
			t.Fatalf("%v: %v", p, err)
		}
		sum, digits := 0, 0
		for _, n := range p.Numbers {
			sum += int(n)
			digits += n.DigitSum()
		}
		if int(trace.Answer) != sum {
			t.Fatalf("%v = %d, Go says %d", p, trace.Answer, sum)
		}
		if carries := sumOfCarries(p.Numbers); len(trace.Swaps) != carries {
			t.Fatalf("%v: %d swaps, the carries are %d", p, len(trace.Swaps), carries)
		}
		if digits-9*len(trace.Swaps) != trace.Answer.DigitSum() {
			t.Fatalf("%v: the digit-sum law fails", p)
		}
		last := trace.Steps[len(trace.Steps)-1]
		if last.Zones.In(swap.Joined) != place.Of(trace.Answer) {
			t.Fatalf("%v: at the end there lies %v", p, last.Zones)
		}
		if written := resultOf(last.Column); written != trace.Answer {
			t.Fatalf("%v: the column says %d", p, written)
		}
	}
}

func resultOf(cells []swap.Cell) place.Number {
	n := place.Number(0)
	for _, c := range cells {
		if c.Role == swap.Result {
			n += place.Number(c.Digit * c.Place.Unit())
		}
	}
	return n
}

// The fullest moment of a place is its column's sum with what comes up.
func TestFullestMoment(t *testing.T) {
	rng := rand.New(rand.NewPCG(5, 5))
	for range 2_000 {
		p := randomSum(rng)
		trace := mustSolve(t, p)
		var want place.Holding
		for _, c := range trace.Columns {
			want[c.Place] = c.Sum()
		}
		if got := trace.Fullest(); got != want {
			t.Fatalf("%v: fullest %v, columns say %v", p, got, want)
		}
	}
}

func TestColumnGrowsWithThePieces(t *testing.T) {
	trace := mustSolve(t, swap.SumOf(1458, 2367))
	before := 0
	for _, s := range trace.Steps {
		if len(s.Column) < before {
			t.Fatalf("at %v the column lost a digit", s.At)
		}
		before = len(s.Column)
		for _, c := range s.Column {
			if c.Role == swap.Carried && s.At.Phase == swap.Work && s.At.Place+1 < c.Place {
				t.Fatalf("at %v the %v were carried before their time", s.At, c.Place)
			}
		}
	}
}

func TestPositions(t *testing.T) {
	trace := mustSolve(t, swap.SumOf(368, 275))
	for i, s := range trace.Steps {
		back, err := swap.ParsePosition(s.At.String())
		if err != nil || back != s.At || trace.Find(back) != i {
			t.Errorf("step %d, %v: found again at %d, %v", i, s.At, trace.Find(back), err)
		}
	}
	for _, c := range []struct {
		name, at, want string
	}{
		{"later than the place has", "work/ones/9", "work/ones/3"},
		{"a place that this problem lacks", "work/millions/1", "work/ones/0"},
		{"more laying out than there is", "lay-out/40", "lay-out/4"},
	} {
		at, err := swap.ParsePosition(c.at)
		if err != nil {
			t.Fatal(err)
		}
		if got := trace.Steps[trace.Find(at)].At.String(); got != c.want {
			t.Errorf("%s: %s led to %s, want %s", c.name, c.at, got, c.want)
		}
	}
	for _, bad := range []string{"", "work", "work/ones", "work/unit/1", "read/-1", "read/x", "nowhere/1", "read/1/1"} {
		if at, err := swap.ParsePosition(bad); err == nil {
			t.Errorf("%q was read as %v", bad, at)
		}
	}
}

func TestVerifyFinds(t *testing.T) {
	for name, spoil := range map[string]func(*swap.Trace){
		"a swap that keeps its ten": func(tr *swap.Trace) { tr.Steps[9].Moves = tr.Steps[9].Moves[1:] },
		"pieces out of nowhere":     func(tr *swap.Trace) { tr.Steps[10].Zones = swap.Zones{{Zone: swap.Joined, Pieces: place.Holding{99}}} },
		"a value that grows": func(tr *swap.Trace) {
			last := &tr.Steps[len(tr.Steps)-1]
			last.Moves = []swap.Move{{From: swap.Store, To: swap.Joined, Place: place.Ones, Count: 1}}
			last.Zones = swap.Zones{{Zone: swap.Joined, Pieces: place.Holding{3, 7}}}
		},
	} {
		trace := mustSolve(t, swap.SumOf(47, 25))
		spoil(&trace)
		if trace.Verify() == nil {
			t.Errorf("%s was not found", name)
		}
	}
}

func TestSolveRefuses(t *testing.T) {
	for name, p := range map[string]swap.Problem{
		"another kind":    {Kind: "riddle", Version: 1, Numbers: []place.Number{1, 2}},
		"a later version": {Kind: swap.Sum, Version: 9, Numbers: []place.Number{1, 2}},
		"one number":      swap.SumOf(4),
		"below nothing":   swap.SumOf(4, -1),
		"seven digits":    swap.SumOf(4, 1_000_000),
		"taken from less": swap.DifferenceOf(4, 5),
	} {
		if _, err := swap.Solve(p); err == nil {
			t.Errorf("%s was worked", name)
		}
	}
	if swap.SumOf(25, 47).Key() == swap.SumOf(47, 25).Key() {
		t.Error("the key forgets the order of the numbers")
	}
}

func ExampleSolve() {
	trace, _ := swap.Solve(swap.SumOf(38, 7))
	fmt.Println(trace.Answer, trace.Swaps)
	// Output: 45 [ones to tens]
}

func FuzzParse(f *testing.F) {
	for _, seed := range []string{"47+25", "", "+", "1+2+3+4+5+6+7", " 9 + 9 ", "47-25", "９+1", "1+\xff", "999999+999999", "78:6", "213×3", "97 ÷ 4", "5−3", "8/0", "2+3-1", "3-5", "1:2:3", ":", "6*"} {
		f.Add(seed)
	}
	f.Fuzz(func(t *testing.T, text string) {
		p, err := swap.Parse(text)
		if err != nil {
			if err.Error() == "" {
				t.Error("an error without words")
			}
			return
		}
		again, err := swap.Parse(p.String())
		if err != nil || again.Key() != p.Key() {
			t.Errorf("%q was read as %v, which is read as %v, %v", text, p, again, err)
		}
		if trace, err := swap.Solve(p); err != nil || trace.Verify() != nil {
			t.Errorf("%q cannot be worked: %v", text, err)
		}
	})
}

func BenchmarkSolveFourDigits(b *testing.B) {
	p := swap.SumOf(2468, 7375)
	for b.Loop() {
		if _, err := swap.Solve(p); err != nil {
			b.Fatal(err)
		}
	}
}
