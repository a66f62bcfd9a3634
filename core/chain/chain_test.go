package chain_test

import (
	"errors"
	"fmt"
	"slices"
	"testing"

	"vineswap/core/chain"
	"vineswap/core/task"
	"vineswap/core/trace"
)

func Example() {
	c := chain.Short(7)
	fmt.Println(c.Total(), c.Tags(), chain.In(4, 7))
	// Output: 49 [7 14 21 28 35 42 49] 4s in 28
}

// every is all chains that there are.
func every() []chain.Chain {
	choice := chain.Choice{Beads: []int{1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 100}, Asks: []chain.Asks{chain.Count, chain.HowMany}, Lengths: []chain.Lengths{chain.ToSquare, chain.ToCube}}
	list := choice.All()
	choice.Tag, choice.Fives, choice.Asks = true, true, choice.Asks[:1]
	return append(list, choice.All()...)
}

// Every chain keeps the laws of a trace, says where it stands after each step, lays each tag once
// and in order, and is folded whole; it is written and read again.
func TestWork(t *testing.T) {
	seen := map[string]bool{}
	for _, c := range every() {
		tr, err := chain.Solve(c)
		if err != nil {
			t.Fatalf("%v: %v", c, err)
		}
		if err := tr.Verify(); err != nil {
			t.Fatalf("%v: %v", c, err)
		}
		w, _ := chain.Worked(tr)
		var tags []int
		for i, s := range tr.Steps {
			if v := w.Views[i]; v.Tagged > c.Bars || v.Folded > c.Bars || v.Ringed > c.Bars || v.Along >= max(c.Beads, 1) && v.Along > 0 {
				t.Fatalf("%v: %+v", c, v)
			}
			if s.Kind == chain.AtEnd {
				tags = append(tags, s.Count)
			}
		}
		if c.Asks == chain.Count && !slices.Equal(tags, c.Tags()[c.From:]) {
			t.Fatalf("%v has the tags %v", c, tags)
		}
		last := tr.Steps[len(tr.Steps)-1].Zones
		if folds := c.Folds() || c.Stacks(); folds != (last.In(chain.Square).Value() == c.Total()) || folds == (last.In(chain.Line).Pieces() > 0) && c.Asks == chain.Count {
			t.Fatalf("%v: %v", c, last)
		}
		again, err := chain.Parse(c.String())
		if err != nil || again != c || seen[c.String()] {
			t.Fatalf("%+v is written %s and read %+v, %v", c, c, again, err)
		}
		seen[c.String()] = true
		for _, wrong := range c.Task().Wrong() {
			if wrong.Answer.Equal(c.Right()) || wrong.Answer[0] < 1 {
				t.Fatalf("%v: %+v is no slip", c, wrong)
			}
		}
	}
	if len(seen) != 237 {
		t.Errorf("%d chains", len(seen))
	}
}

// Along a bar it is counted by five and then by ones, up to the tag.
func TestFives(t *testing.T) {
	tr, _ := chain.Solve(chain.Chain{Beads: 8, Bars: 8, From: 3, Fives: true, Asks: chain.Count})
	var kinds []trace.StepKind
	var counts []int
	for _, s := range tr.Steps[1:6] {
		kinds, counts = append(kinds, s.Kind), append(counts, s.Count)
	}
	if !slices.Equal(kinds, []trace.StepKind{chain.Begin, chain.Five, chain.One, chain.One, chain.AtEnd}) || !slices.Equal(counts, []int{24, 29, 30, 31, 32}) {
		t.Errorf("%v, %v", kinds, counts)
	}
}

func TestParse(t *testing.T) {
	for text, want := range map[string]string{"Chain 7": "chain 7", "chain of 7 long": "chain 7 to 343", "tens in 100": "10s in 100", "hundreds in 1,000": "100s in 1000", "7s in 28": "7s in 28", "chain 4 to 28 from 8": "chain 4 to 28 from 8"} {
		if got, err := chain.Parse(text); err != nil || got.String() != want {
			t.Errorf("%q is %v, %v", text, got, err)
		}
	}
	for text, want := range map[string]error{
		"chain 11": chain.ErrBeads, "chain 0": chain.ErrBeads, "chain 7 to 30": chain.ErrBars, "chain 7 from 49": chain.ErrFrom, "chain 7 from 10": chain.ErrBars,
		"4s in 30": chain.ErrBars, "12s in 24": chain.ErrBeads, "chain 4 to 44": chain.ErrBars, "chain": task.ErrForm, "47+25": task.ErrForm, "hundreds in 2000": chain.ErrBars,
	} {
		if _, err := chain.Parse(text); !errors.Is(err, want) {
			t.Errorf("%q: %v", text, err)
		}
	}
}
