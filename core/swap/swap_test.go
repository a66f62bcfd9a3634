package swap_test

import (
	"encoding/json"
	"fmt"
	"math/rand/v2"
	"slices"
	"testing"

	"vineswap/core/piece"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/swap"
	"vineswap/core/trace"
)

func mustSolve(t *testing.T, p problem.Problem) swap.Trace {
	t.Helper()
	tr, err := swap.Solve(p)
	if err != nil {
		t.Fatalf("%v: %v", p, err)
	}
	return tr
}

func TestSolveStepByStep(t *testing.T) {
	tr := mustSolve(t, problem.SumOf(47, 25))
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
	for _, s := range tr.Steps {
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
			p, err := problem.Parse(c.text)
			if err != nil {
				t.Fatal(err)
			}
			tr := mustSolve(t, p)
			if got := fmt.Sprint(tr.Swaps); tr.Answer != c.answer || got != c.swaps {
				t.Errorf("%s = %d with %s; want %d with %s", c.text, tr.Answer, got, c.answer, c.swaps)
			}
		})
	}
}

// randomSum makes 2 to 6 addends of 1 to 6 digits, small and unequal lengths
// as likely as large ones.
func randomSum(rng *rand.Rand) problem.Problem {
	numbers := make([]place.Number, problem.FewestAddends+rng.IntN(problem.MostAddends-1))
	for i := range numbers {
		numbers[i] = place.Number(rng.IntN(place.Place(1 + rng.IntN(place.MostDigits)).Unit()))
	}
	return problem.SumOf(numbers...)
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
		tr := mustSolve(t, p)
		if err := tr.Verify(); err != nil {
			t.Fatalf("%v: %v", p, err)
		}
		sum, digits := 0, 0
		for _, n := range p.Numbers {
			sum += int(n)
			digits += n.DigitSum()
		}
		if int(tr.Answer) != sum {
			t.Fatalf("%v = %d, Go says %d", p, tr.Answer, sum)
		}
		if carries := sumOfCarries(p.Numbers); len(tr.Swaps) != carries {
			t.Fatalf("%v: %d swaps, the carries are %d", p, len(tr.Swaps), carries)
		}
		if digits-9*len(tr.Swaps) != tr.Answer.DigitSum() {
			t.Fatalf("%v: the digit-sum law fails", p)
		}
		last := tr.Steps[len(tr.Steps)-1]
		if last.Zones.In(swap.Joined) != piece.Building(tr.Answer) {
			t.Fatalf("%v: at the end there lies %v", p, last.Zones)
		}
		if written := resultOf(last.Column); written != tr.Answer {
			t.Fatalf("%v: the column says %d", p, written)
		}
	}
}

func resultOf(cells []trace.Cell) place.Number {
	n := place.Number(0)
	for _, c := range cells {
		if c.Role == trace.Result {
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
		tr := mustSolve(t, p)
		var want piece.Holding
		for _, c := range tr.Columns {
			want[c.Place] = int16(c.Count)
		}
		if got := tr.Fullest(); got != want {
			t.Fatalf("%v: fullest %v, columns say %v", p, got, want)
		}
	}
}

func TestColumnGrowsWithThePieces(t *testing.T) {
	tr := mustSolve(t, problem.SumOf(1458, 2367))
	before := 0
	for _, s := range tr.Steps {
		if len(s.Column) < before {
			t.Fatalf("at %v the column lost a digit", s.At)
		}
		before = len(s.Column)
		for _, c := range s.Column {
			if c.Role == trace.Carried && s.At.Phase == trace.Work && s.At.Place+1 < c.Place {
				t.Fatalf("at %v the %v were carried before their time", s.At, c.Place)
			}
		}
	}
}

func TestPositions(t *testing.T) {
	tr := mustSolve(t, problem.SumOf(368, 275))
	for i, s := range tr.Steps {
		back, err := trace.ParsePosition(s.At.String())
		if err != nil || back != s.At || tr.Find(back) != i {
			t.Errorf("step %d, %v: found again at %d, %v", i, s.At, tr.Find(back), err)
		}
	}
	for _, c := range []struct {
		name, at, want string
	}{
		{"later than the place has", "work/ones/9", "work/ones/3"},
		{"a place that this problem lacks", "work/millions/1", "work/ones/0"},
		{"more laying out than there is", "lay-out/40", "lay-out/4"},
	} {
		at, err := trace.ParsePosition(c.at)
		if err != nil {
			t.Fatal(err)
		}
		if got := tr.Steps[tr.Find(at)].At.String(); got != c.want {
			t.Errorf("%s: %s led to %s, want %s", c.name, c.at, got, c.want)
		}
	}
	for _, bad := range []string{"", "work", "work/ones", "work/unit/1", "read/-1", "read/x", "nowhere/1", "read/1/1"} {
		if at, err := trace.ParsePosition(bad); err == nil {
			t.Errorf("%q was read as %v", bad, at)
		}
	}
}

func TestVerifyFinds(t *testing.T) {
	for name, spoil := range map[string]func(*swap.Trace){
		"a swap that keeps its ten": func(tr *swap.Trace) { tr.Steps[9].Moves = tr.Steps[9].Moves[1:] },
		"pieces out of nowhere":     func(tr *swap.Trace) { tr.Steps[10].Zones = trace.Zones{{Zone: swap.Joined, Pieces: piece.Holding{99}}} },
		"a value that grows": func(tr *swap.Trace) {
			last := &tr.Steps[len(tr.Steps)-1]
			last.Moves = []trace.Move{{From: trace.Store, To: swap.Joined, Piece: piece.Of(place.Ones), Count: 1}}
			last.Zones = trace.Zones{{Zone: swap.Joined, Pieces: piece.Holding{3, 7}}}
		},
	} {
		tr := mustSolve(t, problem.SumOf(47, 25))
		spoil(&tr)
		if tr.Verify() == nil {
			t.Errorf("%s was not found", name)
		}
	}
}

func TestSolveRefuses(t *testing.T) {
	for name, p := range map[string]problem.Problem{
		"another kind":    {Kind: "riddle", Numbers: []place.Number{1, 2}},
		"one number":      problem.SumOf(4),
		"below nothing":   problem.SumOf(4, -1),
		"seven digits":    problem.SumOf(4, 1_000_000),
		"taken from less": problem.DifferenceOf(4, 5),
	} {
		if _, err := swap.Solve(p); err == nil {
			t.Errorf("%s was worked", name)
		}
	}
}

func ExampleSolve() {
	tr, _ := swap.Solve(problem.SumOf(38, 7))
	fmt.Println(tr.Answer, tr.Swaps)
	// Output: 45 [ones to tens]
}

func BenchmarkSolveFourDigits(b *testing.B) {
	p := problem.SumOf(2468, 7375)
	for b.Loop() {
		if _, err := swap.Solve(p); err != nil {
			b.Fatal(err)
		}
	}
}
