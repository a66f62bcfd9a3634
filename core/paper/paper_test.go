package paper_test

import (
	"errors"
	"fmt"
	"go/token"
	"go/types"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"vineswap/core/paper"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/swap"
	"vineswap/core/task"
	"vineswap/core/trace"
)

func solved(t testing.TB, text string, m trace.Method) swap.Trace {
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

func TestColumnsAsTheyAreWritten(t *testing.T) {
	for _, c := range []struct {
		name, problem, notation string
		method                  trace.Method
		want                    []string
	}{
		{"carried above", "47+25", "above", trace.Method{}, []string{"  1", "  47", "+ 25", "----", "  72"}},
		{"carried under", "47+25", "under", trace.Method{}, []string{"  47", "+ 25", "  1", "----", "  72"}},
		{"carried beside", "47+25", "beside", trace.Method{}, []string{"   ¹4  7", "+   2  5", "--------", "    7  2"}},
		{"a new place", "67+58", "above", trace.Method{}, []string{"  11", "   67", "+  58", "-----", "  125"}},
		{"a new place, beside", "67+58", "beside", trace.Method{}, []string{"    ¹ ¹6  7", "+      5  8", "-----------", "    1  2  5"}},
		{"nothing comes up", "42+25", "above", trace.Method{}, []string{"  42", "+ 25", "----", "  67"}},
		{"two tens at once", "28+19+15", "above", trace.Method{}, []string{"  2", "  28", "  19", "+ 15", "----", "  62"}},
		{"crossed out", "62-38", "cross-out", trace.Method{}, []string{"    5 12", "    6̶  2̶", "−   3  8", "--------", "    2  4"}},
		{"the small 1 in front", "62-38", "in-front", trace.Method{}, []string{"    5", "    6̶ ¹2", "−   3  8", "--------", "    2  4"}},
		{"crossed out over a zero", "503-128", "cross-out", trace.Method{}, []string{"       9", "    4 1̶0̶ 13", "    5̶  0̶  3̶", "−   1  2  8", "-----------", "    3  7  5"}},
		{"in front over a zero", "503-128", "in-front", trace.Method{}, []string{"    4  9", "    5̶ ¹̶0̶ ¹3", "−   1  2  8", "-----------", "    3  7  5"}},
		{"over a zero as one", "503-128", "cross-out", trace.Method{Zeros: trace.AsOne}, []string{"    4  9 13", "    5̶  0̶  3̶", "−   1  2  8", "-----------", "    3  7  5"}},
		{"leading zeros are not written", "100-98", "cross-out", trace.Method{Zeros: trace.AsOne}, []string{"    0  9 10", "    1̶  0̶  0̶", "−      9  8", "-----------", "          2"}},
		{"given and then short itself", "523-178", "in-front", trace.Method{}, []string{"    4 ¹1", "    5̶  2̶ ¹3", "−   1  7  8", "-----------", "    3  4  5"}},
		{"equal numbers", "47-47", "cross-out", trace.Method{}, []string{"  47", "− 47", "----", "   0"}},
		{"sharing", "97/4", "", trace.Method{}, []string{"    9 ¹7 ÷ 4", "--------", "    2  4 r 1"}},
		{"several come down", "305/5", "", trace.Method{}, []string{"    3 ³0  5 ÷ 5", "-----------", "       6  1"}},
		{"grouping", "78:6", "", trace.Method{}, []string{"  78 ÷ 6", "----", "  13"}},
		{"equal groups", "4×23", "", trace.Method{}, []string{"  1", "  23", "×  4", "----", "  92"}},
		{"equal groups, added", "213*3", "added", trace.Method{}, []string{"  213", "  213", "+ 213", "-----", "  639"}},
	} {
		t.Run(c.name, func(t *testing.T) {
			tr := solved(t, c.problem, c.method)
			n, _, err := paper.ParseNotation(c.notation, tr.Problem.Kind)
			if err != nil {
				t.Fatal(err)
			}
			if got, want := n.Sheet(tr).Text(), strings.Join(c.want, "\n")+"\n"; got != want {
				t.Errorf("written\n%s\nwanted\n%s", got, want)
			}
		})
	}
}

func notations() []paper.Notation {
	var all []paper.Notation
	for _, c := range append(paper.CarriedSides(), "") {
		for _, x := range paper.CrossingSides() {
			all = append(all, paper.Notation{Carried: c, Crossing: x}, paper.Notation{Carried: c, Crossing: x, Added: true})
		}
	}
	return all
}

func seeded(rng *rand.Rand) problem.Problem {
	n := place.Number(rng.IntN(1_000_000) / []int{1, 10, 100, 1_000, 10_000}[rng.IntN(5)])
	if rng.IntN(3) == 0 {
		n = n / 1000 * 1000 // zeros in the way
	}
	of := func(kind task.Kind, numbers ...place.Number) problem.Problem {
		return problem.Problem{Kind: kind, Numbers: numbers}
	}
	by := place.Number(2 + rng.IntN(8))
	switch rng.IntN(6) {
	case 0, 1:
		return problem.DifferenceOf(n, place.Number(rng.IntN(int(n)+1)))
	case 2:
		return of(problem.Sharing, n, by)
	case 3:
		return of(problem.Grouping, n%(problem.MostGrouped+1), by)
	case 4:
		return of(problem.Trays, n, by)
	}
	numbers := []place.Number{n}
	for len(numbers) < 2+rng.IntN(5) {
		numbers = append(numbers, place.Number(rng.IntN(1_000_000)/[]int{1, 100, 10_000}[rng.IntN(3)]))
	}
	return problem.SumOf(numbers...)
}

func seededMethod(rng *rand.Rand) trace.Method {
	return trace.Method{Order: []trace.Order{trace.AsNeeded, trace.SwapsFirst}[rng.IntN(2)], Zeros: []trace.Zeros{trace.PlaceByPlace, trace.AsOne}[rng.IntN(2)]}
}

// inOrder puts cells into the order in which a sheet is read.
func inOrder(cells []trace.Cell) []trace.Cell {
	rank := []trace.Role{trace.Addend, trace.Larger, trace.Smaller, trace.Carried, trace.Changed, trace.Brought, trace.Result}
	out := slices.Clone(cells)
	slices.SortStableFunc(out, func(a, b trace.Cell) int {
		x, y := slices.Index(rank, a.Role), slices.Index(rank, b.Role)
		switch {
		case x != y:
			return x - y
		case a.Row != b.Row:
			return a.Row - b.Row
		case a.Role == trace.Carried || a.Role == trace.Changed || a.Role == trace.Brought:
			return int(a.Place - b.Place)
		}
		return int(b.Place - a.Place)
	})
	return out
}

// Every notation reads back to the same column at every step, and keeps its rows
// from the first step to the last.
func TestEveryNotationReadsBack(t *testing.T) {
	rng := rand.New(rand.NewPCG(20, 26))
	for range 2_000 {
		tr, err := swap.By(seededMethod(rng), seeded(rng))
		if err != nil {
			t.Fatal(err)
		}
		for _, n := range notations() {
			for i, sheet := range n.Sheets(tr) {
				if i > 0 && len(tr.Steps[i].Column) == len(tr.Steps[i-1].Column) {
					continue
				}
				if tr.Problem.Kind == problem.Trays && !n.Added && tr.Steps[i].At.Phase == trace.LayOut {
					continue // it is written once, and stands for all
				}
				want := inOrder(tr.Steps[i].Column)
				if got := sheet.Cells(); !slices.Equal(got, want) {
					t.Fatalf("%v, %+v, step %d\n%s\nreads %v\n wanted %v", tr.Problem, n, i, sheet.Text(), got, want)
				}
				for _, m := range sheet.Marks {
					if m.Row < 1-sheet.Over || m.Row == sheet.UnderRow() && !sheet.Under {
						t.Fatalf("%v, %+v, step %d: no row was kept for %+v", tr.Problem, n, i, m)
					}
				}
			}
		}
	}
}

// Of what stands in a place one digit at most is not crossed out.
func TestOneDigitStands(t *testing.T) {
	rng := rand.New(rand.NewPCG(3, 33))
	for range 1_000 {
		tr, err := swap.By(seededMethod(rng), seeded(rng))
		if err != nil {
			t.Fatal(err)
		}
		for _, n := range notations() {
			stands := map[place.Place]int{}
			for _, m := range n.Sheet(tr).Marks {
				if m.Row <= 1 && m.Side == paper.Whole && !m.Struck {
					if stands[m.Place]++; stands[m.Place] > 1 {
						t.Fatalf("%v, %+v: two digits stand in the %v", tr.Problem, n, m.Place)
					}
				}
			}
		}
	}
}

func TestExpandedForm(t *testing.T) {
	for problem, want := range map[string]string{
		"47+25":    "(40 + 7) + (20 + 5) = 60 + 12 = 72",
		"208+95":   "(200 + 8) + (90 + 5) = 200 + 90 + 13 = 303",
		"20+30":    "20 + 30 = 50",
		"0+0":      "0 + 0 = 0",
		"28+19+15": "(20 + 8) + (10 + 9) + (10 + 5) = 40 + 22 = 62",
		"62-38":    "(60 + 2) − (30 + 8) = (50 + 12) − (30 + 8) = 20 + 4 = 24",
		"503-128":  "(500 + 3) − (100 + 20 + 8) = (400 + 90 + 13) − (100 + 20 + 8) = 300 + 70 + 5 = 375",
		"47-47":    "(40 + 7) − (40 + 7) = 0",
		"96/4":     "(90 + 6) ÷ 4 = (80 + 16) ÷ 4 = 20 + 4 = 24",
		"97/4":     "(90 + 7) ÷ 4 = (80 + 17) ÷ 4 = 20 + 4, r 1 = 24 r 1",
		"305/5":    "(300 + 5) ÷ 5 = 60 + 1 = 61",
		"78:6":     "(70 + 8) ÷ 6 = 13",
		"213*3":    "3 × (200 + 10 + 3) = 600 + 30 + 9 = 639",
	} {
		tr := solved(t, problem, trace.Method{})
		if got := paper.ExpandedAt(tr, len(tr.Steps)-1).String(); got != want {
			t.Errorf("%s: %q, wanted %q", problem, got, want)
		}
	}
	tr := solved(t, "47+25", trace.Method{})
	for at, want := range map[string]string{"before/0": "", "lay-out/2": "40 + 7", "lay-out/4": "(40 + 7) + (20 + 5)", "join/0": "(40 + 7) + (20 + 5) = 60 + 12", "read/0": "(40 + 7) + (20 + 5) = 60 + 12"} {
		pos, err := trace.ParsePosition(at)
		if err != nil {
			t.Fatal(err)
		}
		if got := paper.ExpandedAt(tr, tr.Find(pos)).String(); got != want && got != "("+want+")" {
			t.Errorf("at %s: %q, wanted %q", at, got, want)
		}
	}
}

// worth is what a line says it is, by Go's own arithmetic.
func worth(t *testing.T, line string) (value int, rest int) {
	t.Helper()
	line, of, _ := strings.Cut(strings.Replace(line, ", r", " r", 1), " r ")
	if of != "" {
		fmt.Sscan(of, &rest)
	}
	line = strings.NewReplacer("−", "-", "÷", "/", ":", "/", "×", "*").Replace(line)
	got, err := types.Eval(token.NewFileSet(), nil, token.NoPos, line)
	if err != nil {
		t.Fatalf("%q: %v", line, err)
	}
	if _, err := fmt.Sscan(got.Value.ExactString(), &value); err != nil {
		t.Fatalf("%q: %v", line, err)
	}
	return value, rest
}

// At every step every line of an expanded form is worth the same.
func TestExpandedFormsAreEqual(t *testing.T) {
	rng := rand.New(rand.NewPCG(40, 7))
	for range 400 {
		tr, err := swap.By(seededMethod(rng), seeded(rng))
		if err != nil {
			t.Fatal(err)
		}
		last := len(tr.Steps) - 1
		for range 3 {
			at := last - rng.IntN(min(last, 12))
			if tr.Steps[at].At.Phase == trace.LayOut {
				continue
			}
			for _, line := range paper.ExpandedAt(tr, at).Lines() {
				if value, rest := worth(t, line); value != int(tr.Answer) || rest != 0 && rest != int(tr.Remainder) {
					t.Fatalf("%v: %q is worth %d, not %d", tr.Problem, line, value, tr.Answer)
				}
			}
		}
	}
}

func TestNotationsByName(t *testing.T) {
	for _, c := range []struct {
		name     string
		kind     task.Kind
		want     paper.Notation
		expanded bool
		fault    string
	}{
		{"", problem.Sum, paper.Notation{}, false, ""},
		{"added", problem.Trays, paper.Notation{Added: true}, false, ""},
		{"under", problem.Sum, paper.Notation{Carried: paper.Under}, false, ""},
		{"in-front", problem.Difference, paper.Notation{Crossing: paper.InFront}, false, ""},
		{"expanded", problem.Grouping, paper.Notation{}, true, ""},
		{"under", problem.Difference, paper.Notation{}, false, `this problem is not written that way: "under"; it can be cross-out, in-front or expanded`},
		{"cross-out", problem.Trays, paper.Notation{}, false, `this problem is not written that way: "cross-out"; it can be above, under, beside, added or expanded`},
		{"above", problem.Sharing, paper.Notation{}, false, `this problem is not written that way: "above"; it can be only expanded`},
	} {
		got, expanded, err := paper.ParseNotation(c.name, c.kind)
		if got != c.want || expanded != c.expanded || (err == nil) != (c.fault == "") || err != nil && (err.Error() != c.fault || !errors.Is(err, paper.ErrNotation)) {
			t.Errorf("%q of %s: %+v, %v, %v", c.name, c.kind, got, expanded, err)
		}
	}
}

func ExampleNotation_Sheet() {
	p, _ := problem.Parse("62-38")
	tr, _ := swap.Solve(p)
	fmt.Print(paper.Notation{Crossing: paper.InFront}.Sheet(tr).Text())
	// Output:
	//     5
	//     6̶ ¹2
	// −   3  8
	// --------
	//     2  4
}
