package swap_test

import (
	"fmt"
	"math/rand/v2"
	"slices"
	"testing"

	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/swap"
)

// methods are all ways of working there are.
func methods() []swap.Method {
	var all []swap.Method
	for _, when := range []swap.When{swap.AtTen, swap.AfterColumn} {
		for _, order := range []swap.Order{swap.AsNeeded, swap.SwapsFirst} {
			for _, zeros := range []swap.Zeros{swap.PlaceByPlace, swap.AsOne} {
				all = append(all, swap.Method{When: when, Order: order, Zeros: zeros})
			}
		}
	}
	return all
}

func worked(t testing.TB, text string, m swap.Method) swap.Trace {
	t.Helper()
	p, err := problem.Parse(text)
	if err != nil {
		t.Fatal(err)
	}
	trace, err := m.Solve(p)
	if err != nil {
		t.Fatal(err)
	}
	return trace
}

// short writes the working steps of a trace.
func short(t swap.Trace) string {
	out := ""
	for _, s := range t.Steps {
		if s.At.Phase == swap.Work || s.At.Phase == swap.Swapping {
			out += fmt.Sprintf("%s %s %d, ", s.At, s.Kind, s.Count)
		}
	}
	return out
}

func TestAllSwapsFirst(t *testing.T) {
	got := short(worked(t, "503-128", swap.Method{Order: swap.SwapsFirst}))
	want := "swaps/ones/0 look 3, swaps/ones/1 swap-down 1, swaps/ones/2 swap-down 1, swaps/tens/0 look 9, swaps/hundreds/0 look 4, " +
		"work/ones/0 take-away 8, work/ones/1 write 5, work/tens/0 take-away 2, work/tens/1 write 7, work/hundreds/0 take-away 1, work/hundreds/1 write 3, "
	if got != want {
		t.Errorf("worked as\n%s, wanted\n%s", got, want)
	}
}

func TestOverZerosAsOne(t *testing.T) {
	trace := worked(t, "4000-1", swap.Method{Zeros: swap.AsOne})
	if fmt.Sprint(trace.Swaps) != "[thousands to ones over 2]" || trace.Answer != 3999 {
		t.Errorf("%v, %d", trace.Swaps, trace.Answer)
	}
	step := trace.Steps[slices.IndexFunc(trace.Steps, func(s swap.Step) bool { return s.Kind == swap.SwapDown })]
	if lying := step.Zones.In(swap.Start); lying != (place.Holding{10, 9, 9, 3}) {
		t.Errorf("after the swap there lies %v", lying)
	}
	if by := worked(t, "4000-1", swap.Method{}); fmt.Sprint(by.Swaps) != "[thousands to hundreds hundreds to tens tens to ones]" {
		t.Errorf("place by place %v", by.Swaps)
	}
}

func TestSharingAndGrouping(t *testing.T) {
	for _, c := range []struct {
		text         string
		answer, rest place.Number
		swaps        string
		work         string
	}{
		{"96/4", 24, 0, "[tens to ones]", "work/tens/0 look 9, work/tens/1 deal 2, work/tens/2 write 2, work/tens/3 swap-down 1, work/ones/0 look 16, work/ones/1 deal 4, work/ones/2 write 4, "},
		{"97/4", 24, 1, "[tens to ones]", ""},
		{"84/2", 42, 0, "[]", ""},
		{"3/5", 0, 3, "[]", "work/ones/0 look 3, work/ones/1 write 0, work/ones/2 leave 3, "},
		{"0/2", 0, 0, "[]", ""},
		{"305/5", 61, 0, "[hundreds to tens hundreds to tens hundreds to tens]", ""},
		{"78:6", 13, 0, "[tens to ones tens to ones tens to ones tens to ones tens to ones tens to ones tens to ones]", ""},
		{"19:6", 3, 1, "[tens to ones]", "work/ones/0 take-group 6, work/ones/1 swap-down 1, work/ones/2 take-group 6, work/ones/3 take-group 6, work/ones/4 leave 1, "},
		{"213*3", 639, 0, "[]", ""},
		{"47*9", 423, 0, "[ones to tens ones to tens ones to tens ones to tens ones to tens ones to tens tens to hundreds tens to hundreds tens to hundreds tens to hundreds]", ""},
	} {
		trace := worked(t, c.text, swap.Method{})
		if trace.Answer != c.answer || trace.Remainder != c.rest || fmt.Sprint(trace.Swaps) != c.swaps || c.work != "" && short(trace) != c.work {
			t.Errorf("%s = %d rest %d, %v\n%s", c.text, trace.Answer, trace.Remainder, trace.Swaps, short(trace))
		}
		if trace.Problem.Answer() != c.answer {
			t.Errorf("%s: the problem says %d", c.text, trace.Problem.Answer())
		}
	}
}

// saidBack is where the work is done and the check has not begun.
var saidBack = swap.Position{Phase: swap.Reading, Ordinal: 2}

// single counts a trace's swaps as single ones: over k zeros as one counts k + 1.
func single(t swap.Trace) int {
	n := 0
	for _, s := range t.Swaps {
		n += 1 + s.Zeros
	}
	return n
}

func randomProblem(rng *rand.Rand) problem.Problem {
	n := place.Number(rng.IntN(1_000_000) / []int{1, 10, 100, 1_000, 10_000}[rng.IntN(5)])
	by := place.Number(2 + rng.IntN(8))
	switch rng.IntN(5) {
	case 0:
		return problem.DifferenceOf(n, place.Number(rng.IntN(int(n)+1)))
	case 1:
		return problem.Problem{Kind: problem.Sharing, Numbers: []place.Number{n, by}}
	case 2:
		return problem.Problem{Kind: problem.Grouping, Numbers: []place.Number{n % (problem.MostGrouped + 1), by}}
	case 3:
		return problem.Problem{Kind: problem.Trays, Numbers: []place.Number{n, by}}
	}
	return randomSum(rng)
}

// By every method: the laws of the trace, Go's own arithmetic, the digit-sum
// laws, and what is written is what lies there.
func TestLawsOfEveryMethod(t *testing.T) {
	rng := rand.New(rand.NewPCG(4, 2026))
	for range 3_000 {
		p := randomProblem(rng)
		for _, m := range methods() {
			if p.Kind != problem.Difference && m.Order == swap.SwapsFirst {
				continue // taking away alone has this choice
			}
			trace, err := m.Solve(p)
			if err != nil {
				t.Fatalf("%v: %v", p, err)
			}
			if err := trace.Verify(); err != nil {
				t.Fatalf("%v, %+v: %v", p, m, err)
			}
			lawsOf(t, trace)
		}
	}
}

func lawsOf(t *testing.T, trace swap.Trace) {
	t.Helper()
	p := trace.Problem
	last := trace.Steps[trace.Find(saidBack)]
	if end := trace.Steps[len(trace.Steps)-1].Zones; p.Addends() == nil && (len(end) > 1 || end.In(swap.Start) != place.Of(p.Numbers[0])) {
		t.Fatalf("%v by %+v: after the check there lies %v", p, trace.Method, end)
	}
	digits := 0
	for _, n := range p.Addends() {
		digits += n.DigitSum()
	}
	swaps, a := single(trace), int(p.Numbers[0])
	ok := trace.Answer == p.Answer() && resultOf(last.Column) == trace.Answer
	switch p.Kind {
	case problem.Sum, problem.Trays:
		ok = ok && digits-9*swaps == trace.Answer.DigitSum() && last.Zones.In(swap.Joined) == place.Of(trace.Answer)
	case problem.Difference:
		ok = ok && p.Numbers[0].DigitSum()+9*swaps-p.Numbers[1].DigitSum() == trace.Answer.DigitSum() && last.Zones.In(swap.Start) == place.Of(trace.Answer)
	case problem.Sharing:
		by := int(p.Numbers[1])
		ok = ok && a == by*int(trace.Answer)+int(trace.Remainder) && p.Numbers[0].DigitSum()+9*swaps == by*trace.Answer.DigitSum()+int(trace.Remainder)
		for i := range by {
			ok = ok && last.Zones.In(swap.Share(i+1)) == place.Of(trace.Answer)
		}
	case problem.Grouping:
		ok = ok && a == int(p.Numbers[1])*int(trace.Answer)+int(trace.Remainder) && last.Zones.In(swap.Groups)[place.Ones] == a-int(trace.Remainder)
	}
	if !ok {
		t.Fatalf("%v by %+v: %d rest %d, %v, at the end %v", p, trace.Method, trace.Answer, trace.Remainder, trace.Swaps, last.Zones)
	}
}

// Both orders and both ways over zeros change the same places, however often
// they are worked.
func TestOrdersMakeTheSameSwaps(t *testing.T) {
	rng := rand.New(rand.NewPCG(11, 4))
	for range 3_000 {
		n := place.Number(rng.IntN(1_000_000))
		if rng.IntN(2) == 0 { // with zeros in the way
			n = n / 1000 * 1000
		}
		p := problem.DifferenceOf(n, place.Number(rng.IntN(int(n)+1)))
		usual, err := swap.Method{}.Solve(p)
		if err != nil {
			t.Fatal(err)
		}
		for _, m := range methods() {
			trace, err := m.Solve(p)
			if err != nil {
				t.Fatal(err)
			}
			if m.Zeros != swap.AsOne && !slices.Equal(trace.Swaps, usual.Swaps) {
				t.Fatalf("%v by %+v: %v, usually %v", p, m, trace.Swaps, usual.Swaps)
			}
			if single(trace) != len(usual.Swaps) {
				t.Fatalf("%v by %+v: %d single swaps, usually %d", p, m, single(trace), len(usual.Swaps))
			}
		}
	}
}

func TestMethodsByName(t *testing.T) {
	if m, err := swap.ParseOrder("swaps-first"); err != nil || m != swap.SwapsFirst {
		t.Error(m, err)
	}
	if m, err := swap.ParseZeros("as-one"); err != nil || m != swap.AsOne {
		t.Error(m, err)
	}
	if m, err := swap.ParseWhen("after-column"); err != nil || m != swap.AfterColumn {
		t.Error(m, err)
	}
	if _, err := swap.ParseOrder("at once"); err == nil {
		t.Error("an unknown order")
	}
	// A position among swaps made first is found in the work where they are not.
	pos, err := swap.ParsePosition("swaps/tens/0")
	if err != nil {
		t.Fatal(err)
	}
	first := worked(t, "503-128", swap.Method{Order: swap.SwapsFirst})
	if i := first.Find(pos); first.Steps[i].At != pos {
		t.Errorf("found %v", first.Steps[i].At)
	}
	usual := worked(t, "503-128", swap.Method{})
	if at := usual.Steps[usual.Find(pos)].At; at.String() != "work/tens/0" {
		t.Errorf("found %v", at)
	}
}

func BenchmarkTakingOverFourZeros(b *testing.B) {
	p := problem.DifferenceOf(500_003, 123_456)
	for b.Loop() {
		for _, order := range []swap.Order{swap.AsNeeded, swap.SwapsFirst} {
			if _, err := (swap.Method{Order: order}).Solve(p); err != nil {
				b.Fatal(err)
			}
		}
	}
}

// The fullest moment is the largest count seen: joining a column with what comes
// up, taking what is written as standing in a place, sharing what is dealt.
func TestFullestIsTheLargestCountSeen(t *testing.T) {
	rng := rand.New(rand.NewPCG(19, 89))
	for range 3_000 {
		p := randomProblem(rng)
		trace, err := swap.Method{Order: []swap.Order{swap.AsNeeded, swap.SwapsFirst}[rng.IntN(2)], Zeros: []swap.Zeros{swap.PlaceByPlace, swap.AsOne}[rng.IntN(2)]}.Solve(p)
		if err != nil {
			t.Fatal(err)
		}
		var seen place.Holding
		for _, c := range trace.Columns {
			seen[c.Place] = c.Count
		}
		for _, c := range trace.Columns {
			seen[c.Place] = c.Count
		}
		if p.Kind == problem.Difference {
			for _, c := range trace.Steps[len(trace.Steps)-1].Column {
				if c.Role == swap.Larger || c.Role == swap.Changed {
					seen[c.Place] = max(seen[c.Place], c.Digit)
				}
			}
		}
		if p.Kind != problem.Grouping && trace.Fullest() != seen {
			t.Fatalf("%v by %+v: the fullest is %v, counted were %v", p, trace.Method, trace.Fullest(), seen)
		}
	}
}
