package swap_test

import (
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

// methods are all ways of working there are.
func methods() []trace.Method {
	var all []trace.Method
	for _, when := range []trace.When{trace.AtTen, trace.AfterColumn} {
		for _, order := range []trace.Order{trace.AsNeeded, trace.SwapsFirst} {
			for _, zeros := range []trace.Zeros{trace.PlaceByPlace, trace.AsOne} {
				all = append(all, trace.Method{When: when, Order: order, Zeros: zeros})
			}
		}
	}
	return all
}

func worked(t testing.TB, text string, m trace.Method) swap.Trace {
	t.Helper()
	p, err := problem.Parse(text)
	if err != nil {
		t.Fatal(err)
	}
	tr, err := swap.By(m, p)
	if err != nil {
		t.Fatal(err)
	}
	return tr
}

// short writes the working steps of a trace.
func short(t swap.Trace) string {
	out := ""
	for _, s := range t.Steps {
		if s.At.Phase == trace.Work || s.At.Phase == trace.Swapping {
			out += fmt.Sprintf("%s %s %d, ", s.At, s.Kind, s.Count)
		}
	}
	return out
}

func TestAllSwapsFirst(t *testing.T) {
	got := short(worked(t, "503-128", trace.Method{Order: trace.SwapsFirst}))
	want := "swaps/ones/0 look 3, swaps/ones/1 swap-down 1, swaps/ones/2 swap-down 1, swaps/tens/0 look 9, swaps/hundreds/0 look 4, " +
		"work/ones/0 take-away 8, work/ones/1 write 5, work/tens/0 take-away 2, work/tens/1 write 7, work/hundreds/0 take-away 1, work/hundreds/1 write 3, "
	if got != want {
		t.Errorf("worked as\n%s, wanted\n%s", got, want)
	}
}

func TestOverZerosAsOne(t *testing.T) {
	tr := worked(t, "4000-1", trace.Method{Zeros: trace.AsOne})
	if fmt.Sprint(tr.Swaps) != "[thousands to ones over 2]" || tr.Answer != 3999 {
		t.Errorf("%v, %d", tr.Swaps, tr.Answer)
	}
	step := tr.Steps[slices.IndexFunc(tr.Steps, func(s trace.Step) bool { return s.Kind == swap.SwapDown })]
	if lying := step.Zones.In(swap.Start); lying != (piece.Holding{10, 9, 9, 3}) {
		t.Errorf("after the swap there lies %v", lying)
	}
	if by := worked(t, "4000-1", trace.Method{}); fmt.Sprint(by.Swaps) != "[thousands to hundreds hundreds to tens tens to ones]" {
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
		tr := worked(t, c.text, trace.Method{})
		if tr.Answer != c.answer || tr.Remainder != c.rest || fmt.Sprint(tr.Swaps) != c.swaps || c.work != "" && short(tr) != c.work {
			t.Errorf("%s = %d rest %d, %v\n%s", c.text, tr.Answer, tr.Remainder, tr.Swaps, short(tr))
		}
		if tr.Problem.Answer() != c.answer {
			t.Errorf("%s: the problem says %d", c.text, tr.Problem.Answer())
		}
	}
}

// saidBack is where the work is done and the check has not begun.
var saidBack = trace.Position{Phase: trace.Reading, Ordinal: 2}

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
			if p.Kind != problem.Difference && m.Order == trace.SwapsFirst {
				continue // taking away alone has this choice
			}
			tr, err := swap.By(m, p)
			if err != nil {
				t.Fatalf("%v: %v", p, err)
			}
			if err := tr.Verify(); err != nil {
				t.Fatalf("%v, %+v: %v", p, m, err)
			}
			lawsOf(t, tr)
		}
	}
}

func lawsOf(t *testing.T, tr swap.Trace) {
	t.Helper()
	p := tr.Problem
	last := tr.Steps[tr.Find(saidBack)]
	if end := tr.Steps[len(tr.Steps)-1].Zones; p.Addends() == nil && (len(end) > 1 || end.In(swap.Start) != piece.Building(p.Numbers[0])) {
		t.Fatalf("%v by %+v: after the check there lies %v", p, tr.Method, end)
	}
	digits := 0
	for _, n := range p.Addends() {
		digits += n.DigitSum()
	}
	swaps, a := single(tr), int(p.Numbers[0])
	ok := tr.Answer == p.Answer() && resultOf(last.Column) == tr.Answer
	switch p.Kind {
	case problem.Sum, problem.Trays:
		ok = ok && digits-9*swaps == tr.Answer.DigitSum() && last.Zones.In(swap.Joined) == piece.Building(tr.Answer)
	case problem.Difference:
		ok = ok && p.Numbers[0].DigitSum()+9*swaps-p.Numbers[1].DigitSum() == tr.Answer.DigitSum() && last.Zones.In(swap.Start) == piece.Building(tr.Answer)
	case problem.Sharing:
		by := int(p.Numbers[1])
		ok = ok && a == by*int(tr.Answer)+int(tr.Remainder) && p.Numbers[0].DigitSum()+9*swaps == by*tr.Answer.DigitSum()+int(tr.Remainder)
		for i := range by {
			ok = ok && last.Zones.In(swap.Share(i+1)) == piece.Building(tr.Answer)
		}
	case problem.Grouping:
		ok = ok && a == int(p.Numbers[1])*int(tr.Answer)+int(tr.Remainder) && last.Zones.In(swap.Groups).At(place.Ones) == a-int(tr.Remainder)
	}
	if !ok {
		t.Fatalf("%v by %+v: %d rest %d, %v, at the end %v", p, tr.Method, tr.Answer, tr.Remainder, tr.Swaps, last.Zones)
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
		usual, err := swap.By(trace.Method{}, p)
		if err != nil {
			t.Fatal(err)
		}
		for _, m := range methods() {
			tr, err := swap.By(m, p)
			if err != nil {
				t.Fatal(err)
			}
			if m.Zeros != trace.AsOne && !slices.Equal(tr.Swaps, usual.Swaps) {
				t.Fatalf("%v by %+v: %v, usually %v", p, m, tr.Swaps, usual.Swaps)
			}
			if single(tr) != len(usual.Swaps) {
				t.Fatalf("%v by %+v: %d single swaps, usually %d", p, m, single(tr), len(usual.Swaps))
			}
		}
	}
}

func TestMethodsByName(t *testing.T) {
	if m, err := trace.ParseOrder("swaps-first"); err != nil || m != trace.SwapsFirst {
		t.Error(m, err)
	}
	if m, err := trace.ParseZeros("as-one"); err != nil || m != trace.AsOne {
		t.Error(m, err)
	}
	if m, err := trace.ParseWhen("after-column"); err != nil || m != trace.AfterColumn {
		t.Error(m, err)
	}
	if _, err := trace.ParseOrder("at once"); err == nil {
		t.Error("an unknown order")
	}
	// A position among swaps made first is found in the work where they are not.
	pos, err := trace.ParsePosition("swaps/tens/0")
	if err != nil {
		t.Fatal(err)
	}
	first := worked(t, "503-128", trace.Method{Order: trace.SwapsFirst})
	if i := first.Find(pos); first.Steps[i].At != pos {
		t.Errorf("found %v", first.Steps[i].At)
	}
	usual := worked(t, "503-128", trace.Method{})
	if at := usual.Steps[usual.Find(pos)].At; at.String() != "work/tens/0" {
		t.Errorf("found %v", at)
	}
}

func BenchmarkTakingOverFourZeros(b *testing.B) {
	p := problem.DifferenceOf(500_003, 123_456)
	for b.Loop() {
		for _, order := range []trace.Order{trace.AsNeeded, trace.SwapsFirst} {
			if _, err := swap.By(trace.Method{Order: order}, p); err != nil {
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
		tr, err := swap.By(trace.Method{Order: []trace.Order{trace.AsNeeded, trace.SwapsFirst}[rng.IntN(2)], Zeros: []trace.Zeros{trace.PlaceByPlace, trace.AsOne}[rng.IntN(2)]}, p)
		if err != nil {
			t.Fatal(err)
		}
		var seen piece.Holding
		for _, c := range tr.Columns {
			seen[c.Place] = int16(c.Count)
		}
		for _, c := range tr.Columns {
			seen[c.Place] = int16(c.Count)
		}
		if p.Kind == problem.Difference {
			for _, c := range tr.Steps[len(tr.Steps)-1].Column {
				if c.Role == trace.Larger || c.Role == trace.Changed {
					seen[c.Place] = max(seen[c.Place], int16(c.Digit))
				}
			}
		}
		if p.Kind != problem.Grouping && tr.Fullest() != seen {
			t.Fatalf("%v by %+v: the fullest is %v, counted were %v", p, tr.Method, tr.Fullest(), seen)
		}
	}
}
