package snake_test

import (
	"errors"
	"fmt"
	"math"
	"math/rand/v2"
	"slices"
	"testing"

	"vineswap/core/choose"
	"vineswap/core/piece"
	"vineswap/core/slip"
	"vineswap/core/snake"
	"vineswap/core/task"
	"vineswap/core/trace"
)

func some(rng *rand.Rand, most int) snake.Snake {
	s := snake.Snake{Bars: make([]int, 1+rng.IntN(most))}
	for i := range s.Bars {
		s.Bars[i] = 1 + rng.IntN(piece.LongestBar)
	}
	return s
}

func Example() {
	s := snake.Of(8, 5, 9, 4)
	fmt.Println(s.Total(), s.Golden(), s.Remainders(), s.Last())
	// Output: 26 2 [3 2] 6
}

// What is laid is counted: the golden bars and what follows the last ten are the bars' sum, the
// trace keeps its laws, and the bars laid aside are as long as the golden snake.
func TestWork(t *testing.T) {
	rng := rand.New(rand.NewPCG(22, 1))
	for range 2_000 {
		s := some(rng, snake.MostBars)
		tr, err := snake.Solve(s)
		if err != nil {
			t.Fatal(err)
		}
		if err := tr.Verify(); err != nil {
			t.Fatalf("%v: %v", s, err)
		}
		w, _ := snake.Worked(tr)
		zones := tr.Steps[len(tr.Steps)-1].Zones
		last := 0
		if w.More {
			last = w.End.Left
		}
		end := zones.In(snake.Line)
		if got := zones.In(snake.Rows); got.Value() != snake.Ten*s.Golden() || end.Value() != last || got.Value()+last != s.Total() || len(s.Remainders()) != s.Golden() {
			t.Fatalf("%v: golden %v, %v follow", s, got, end)
		}
		if last > 0 && end != piece.Only(piece.Remainder(last), 1) {
			t.Fatalf("%v is closed by %v", s, end)
		}
		if got := zones.In(trace.Beside).Value(); got != s.Total() || zones.In(trace.Aside).Value() != 0 {
			t.Fatalf("%v: %d lie against the golden snake", s, got)
		}
		if len(w.Views) != len(tr.Steps) || 2*len(w.Pairs)+len(w.Rest) != len(s.Bars) {
			t.Fatalf("%v: %d views, %d pairs, %v", s, len(w.Views), len(w.Pairs), w.Rest)
		}
		for _, p := range w.Pairs {
			if s.Bars[p[0]]+s.Bars[p[1]] != snake.Ten {
				t.Fatalf("%v: %v are paired", s, p)
			}
		}
	}
}

// No two bars without a partner could have been paired.
func TestPairs(t *testing.T) {
	rng := rand.New(rand.NewPCG(22, 2))
	for range 500 {
		s := some(rng, 20)
		_, rest := s.Pairs()
		for i, a := range rest {
			for _, b := range rest[i+1:] {
				if s.Bars[a]+s.Bars[b] == snake.Ten {
					t.Fatalf("%v: %v have no partner", s, rest)
				}
			}
		}
	}
}

// At each ten the steps come in their order.
func TestOrder(t *testing.T) {
	tr, _ := snake.Solve(snake.Of(8, 5, 7, 4))
	var kinds []trace.StepKind
	for _, s := range tr.Steps {
		if s.Kind != snake.Count {
			kinds = append(kinds, s.Kind)
		}
	}
	want := []trace.StepKind{
		snake.Lay, snake.Estimate, snake.Stop, snake.Golden, snake.Left, snake.Aside, snake.Remain,
		snake.Stop, snake.Golden, snake.Aside, snake.Aside, snake.Close, snake.ByTens, snake.Total, snake.Rest, snake.Same,
	}
	if !slices.Equal(kinds, want) {
		t.Errorf("%v", kinds)
	}
}

func TestParse(t *testing.T) {
	for text, want := range map[string]string{"8,5,9,4": "8,5,9,4", " snake 8, 5 ": "8,5", "snake 7": "7"} {
		if got, err := snake.Parse(text); err != nil || got.String() != want {
			t.Errorf("%q is %v, %v", text, got, err)
		}
	}
	for text, want := range map[string]error{
		"": task.ErrForm, "47+25": task.ErrForm, "tree": task.ErrForm, "8,apple": task.ErrForm, "snake apple": snake.ErrBar,
		"8,12": snake.ErrBar, "8,0": snake.ErrBar, "snake": task.ErrForm, "9" + repeated(",1", 39): snake.ErrBars,
	} {
		if _, err := snake.Parse(text); !errors.Is(err, want) {
			t.Errorf("%q: %v", text, err)
		}
	}
	again, err := task.FromKey(snake.Of(7).Task().Key())
	if err != nil || again.Key() != "snake:7" {
		t.Errorf("%v, %v", again, err)
	}
	if typed, err := task.Parse("8,5,9,4"); err != nil || typed.Kind != snake.Kind {
		t.Errorf("8,5,9,4 is %v, %v", typed, err)
	}
}

// What an adult saw stands behind the answer, and names its slip; the count alone is explained
// where a slip gives just this.
func TestAnswers(t *testing.T) {
	cut, plain := snake.Of(8, 5, 9, 4).Task(), snake.Of(6, 4, 7, 3).Task()
	for _, c := range []struct {
		t     task.Task
		given string
		right bool
		slips []slip.ID
	}{
		{cut, "26", true, []slip.ID{}}, {cut, " 026 ", true, []slip.ID{}}, {cut, "", false, []slip.ID{}}, {cut, "30", false, []slip.ID{}},
		{cut, "16", false, []slip.ID{slip.GoldenBarForgotten}}, {cut, "25", false, []slip.ID{slip.RemainderMiscounted}}, {cut, "27", false, []slip.ID{slip.RemainderMiscounted}},
		{cut, "26, golden bar forgotten", false, []slip.ID{slip.GoldenBarForgotten}}, {cut, "31, bars not given back", false, []slip.ID{slip.BarsNotGivenBack}},
		{cut, "26, remainder miscounted", false, []slip.ID{slip.RemainderMiscounted}}, {plain, "20, remainder miscounted", false, []slip.ID{}}, {cut, "26, sneezed", false, []slip.ID{}},
		{plain, "10", false, []slip.ID{slip.GoldenBarForgotten}}, {plain, "21", false, []slip.ID{}},
	} {
		if got := c.t.Explains(c.given); c.t.IsRight(c.given) != c.right || !slices.Equal(got, c.slips) {
			t.Errorf("%s answered %q: right %t, %v", c.t.Key(), c.given, c.t.IsRight(c.given), got)
		}
	}
}

func repeated(text string, n int) (out string) {
	for range n {
		out += text
	}
	return out
}

// fits tells by the plain rule whether a snake is one of a choice.
func fits(c snake.Choice, s snake.Snake) bool {
	count := map[int]int{}
	for _, b := range s.Bars {
		if count[b]++; count[b] > c.Stairs {
			return false
		}
	}
	seen := map[int]bool{}
	cut := false
	for _, r := range s.Remainders() {
		seen[r] = true
		cut = cut || r > 0
		if r > 0 && c.Left[r] == choose.No {
			return false
		}
	}
	for r := 1; r <= snake.MostLeft; r++ {
		if c.Left[r] == choose.Yes && !seen[r] {
			return false
		}
	}
	is := func(w choose.Want, have bool) bool { return w == choose.Any || have == (w == choose.Yes) }
	return is(c.Cut, cut) && is(c.End, s.Last() > 0) && (!c.Ten || s.Golden() > 0)
}

// every lists all snakes of a choice by trying all rows of bars.
func every(c snake.Choice) map[string]bool {
	all := map[string]bool{}
	bars := make([]int, c.Bars)
	var lay func(int)
	lay = func(i int) {
		if i == c.Bars {
			if s := snake.Of(slices.Clone(bars)...); fits(c, s) {
				all[s.String()] = true
			}
			return
		}
		for bars[i] = 1; bars[i] <= piece.LongestBar; bars[i]++ {
			lay(i + 1)
		}
	}
	lay(0)
	return all
}

// Counted is enumerated for small snakes: as many as there are by trying, each once by its
// index, and a draw of all of them has just these.
func TestCounted(t *testing.T) {
	rng := rand.New(rand.NewPCG(22, 3))
	for range 120 {
		c := snake.Choice{Bars: 1 + rng.IntN(4), Stairs: 1 + rng.IntN(3), Cut: choose.Want(rng.IntN(3)), End: choose.Want(rng.IntN(3)), Ten: rng.IntN(2) == 0}
		for r := 1; r <= snake.MostLeft; r++ {
			if rng.IntN(3) == 0 {
				c.Left[r] = choose.Want(rng.IntN(3))
			}
		}
		space, err := c.Space()
		if err != nil {
			t.Fatal(err)
		}
		all := every(c)
		if space.Fits().String() != fmt.Sprint(len(all)) {
			t.Fatalf("%+v: %v fit, %d are there", c, space.Fits(), len(all))
		}
		for _, s := range space.Draw(len(all)+5, 7, nil) {
			if !all[s.String()] {
				t.Fatalf("%+v: %v is drawn, again or wrongly", c, s)
			}
			delete(all, s.String())
		}
		if len(all) > 0 {
			t.Fatalf("%+v: %d are never drawn", c, len(all))
		}
		if c.Stairs > 1 || !space.Fits().IsZero() {
			continue
		}
		for _, m := range c.Mends() {
			if m.Fits.IsZero() {
				t.Fatalf("%+v: %+v mends nothing", c, m)
			}
		}
	}
}

// A draw is uniform.
func TestChiSquare(t *testing.T) {
	c := snake.Choice{Bars: 3, Stairs: 1, Ten: true, Cut: choose.Yes}
	c.Left[3] = choose.Yes
	space, err := c.Space()
	if err != nil {
		t.Fatal(err)
	}
	cells, draws := len(every(c)), 40_000
	seen := map[string]int{}
	for seed := range draws {
		seen[space.Draw(1, uint64(seed), nil)[0].String()]++
	}
	want, chi := float64(draws)/float64(cells), 0.0
	for s := range every(c) {
		chi += math.Pow(float64(seen[s])-want, 2) / want
	}
	if free := float64(cells - 1); math.Abs(chi-free) > 4*math.Sqrt(2*free) {
		t.Errorf("chi-square %.1f of %d snakes", chi, cells)
	}
}

// A snake is laid from what there is, or it is said what is missing.
func TestLaidFrom(t *testing.T) {
	for _, c := range []struct {
		s          snake.Snake
		stairs     int
		remainders bool
		want       error
	}{
		{snake.Of(8, 5, 9, 4), 1, true, nil}, {snake.Of(8, 5, 9, 4), 1, false, snake.ErrOwned}, {snake.Of(6, 4, 7, 3), 1, false, nil},
		{snake.Of(8, 8, 8), 2, true, snake.ErrOwned}, {snake.Of(8, 8, 8), 3, true, nil}, {snake.Of(8, 2), 0, true, snake.ErrStairs},
	} {
		if err := c.s.LaidFrom(c.stairs, c.remainders); !errors.Is(err, c.want) {
			t.Errorf("%v from %d: %v", c.s, c.stairs, err)
		}
	}
}

func TestRefused(t *testing.T) {
	with := func(c snake.Choice, musts int) snake.Choice {
		for r := 1; r <= musts; r++ {
			c.Left[r] = choose.Yes
		}
		return c
	}
	for name, c := range map[string]struct {
		choice snake.Choice
		want   error
	}{
		"no stairs":                     {snake.Choice{Bars: 6}, snake.ErrStairs},
		"too many stairs":               {snake.Choice{Bars: 6, Stairs: 5}, snake.ErrStairs},
		"no bars":                       {snake.Choice{Stairs: 2}, snake.ErrBars},
		"forty bars":                    {snake.Choice{Bars: 40, Stairs: 4}, snake.ErrBars},
		"more than owned":               {snake.Choice{Bars: 19, Stairs: 2}, snake.ErrOwned},
		"eight wishes from four stairs": {with(snake.Choice{Bars: 30, Stairs: 4}, 8), snake.ErrTooMany},
		"eight wishes from two":         {with(snake.Choice{Bars: 18, Stairs: 2}, 8), nil},
	} {
		if _, err := c.choice.Space(); !errors.Is(err, c.want) {
			t.Errorf("%s: %v", name, err)
		}
	}
	if list := with(snake.Choice{Bars: 3, Stairs: 1}, 4).Mends(); len(list) == 0 || list[0].Without != "bars" {
		t.Errorf("%+v", list)
	}
}

// BenchmarkSnakes counts all snakes of 12 bars from two stairs with wanted remainders; 20 ms
// are asked for.
func BenchmarkSnakes(b *testing.B) {
	c := snake.Choice{Bars: 12, Stairs: 2, Ten: true}
	c.Left[3], c.Left[4], c.Left[5] = choose.Yes, choose.Yes, choose.No
	for b.Loop() {
		if space, err := c.Space(); err != nil || space.Fits().IsZero() {
			b.Fatal(err)
		}
	}
}
