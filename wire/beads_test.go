package wire_test

import (
	"errors"
	"math/big"
	"testing"

	"vineswap/core/beads"
	"vineswap/core/chain"
	"vineswap/core/ladder"
	"vineswap/core/numberrods"
	"vineswap/core/setting"
	"vineswap/core/snake"
	"vineswap/core/task"
	"vineswap/wire"
)

func counted(t *testing.T, text string) *big.Int {
	t.Helper()
	n, ok := new(big.Int).SetString(text, 10)
	if !ok {
		t.Fatalf("%q is no count", text)
	}
	return n
}

// Snakes that no ten cuts and those that one does are all snakes; those that are shown fit the
// choice, and it is understood again as it was sent.
func TestChosenSnakes(t *testing.T) {
	for name, c := range map[string]struct {
		set  func(*setting.Class)
		ask  wire.ChooseSnake
		none bool
	}{
		"first snakes":             {nil, wire.ChooseSnake{Bars: 6, Cut: "no", Count: 6}, false},
		"a remainder that must be": {nil, wire.ChooseSnake{Bars: 7, Left: map[string]string{"4": "yes", "1": "no"}, Count: 6}, false},
		"some beads at the end":    {nil, wire.ChooseSnake{Bars: 5, Cut: "yes", End: "yes", Count: 6}, false},
		"three stairs":             {func(c *setting.Class) { c.Stairs = "3" }, wire.ChooseSnake{Bars: 20, Count: 6}, false},
		"no remainder bars":        {func(c *setting.Class) { c.Remainders = beads.NoneOwned }, wire.ChooseSnake{Bars: 6, Cut: "yes", Count: 6}, false},
		"too few for the wishes":   {nil, wire.ChooseSnake{Bars: 3, Left: map[string]string{"1": "yes", "2": "yes", "3": "yes"}, Count: 6}, true},
	} {
		class := setting.Default()
		if c.set != nil {
			c.set(&class)
		}
		choice, err := wire.SnakeChoiceOf(class, c.ask)
		if err != nil {
			t.Fatalf("%s: %v", name, err)
		}
		got, err := wire.ChosenSnakesOf(class, choice, c.ask, nil, 7)
		if err != nil {
			t.Fatalf("%s: %v", name, err)
		}
		if sum := new(big.Int).Add(counted(t, got.Never), counted(t, got.Once)); class.Beads().Remainders && sum.Cmp(counted(t, got.Either)) != 0 {
			t.Errorf("%s: %s never and %s at least once are %s", name, got.Never, got.Once, got.Either)
		}
		if c.none != (got.Fits == "0") || c.none && len(got.Mends) == 0 || !c.none && len(got.Snakes) != 6 {
			t.Errorf("%s: %s fit, %d are here, %d mend it", name, got.Fits, len(got.Snakes), len(got.Mends))
		}
		for _, s := range got.Snakes {
			bars := snake.Of(s.Snake.Bars...)
			if err := bars.LaidFrom(got.Stairs, got.Remainders); err != nil || bars.Total() != s.Answer || len(s.Snake.Tens) != bars.Golden() || s.Stage.ID != string(ladder.Credit(bars.Task(), "")) {
				t.Errorf("%s: %+v, %v", name, s.Snake, err)
			}
			if c.ask.Cut != "" && s.Stage.ID != got.Stage || s.Snake.Over != bars.Total()-10*len(s.Snake.Pairs) {
				t.Errorf("%s: chosen for %s, %s counts for %s; %d beads have no partner", name, got.Stage, s.Text, s.Stage.ID, s.Snake.Over)
			}
		}
		again, err := wire.SnakeChoiceOf(class, got.Choice)
		if err != nil || again != choice {
			t.Errorf("%s is understood as %+v, then %+v, %v", name, choice, again, err)
		}
	}
}

// Of chains and rods every row has its usual side, what is chosen is kept, and nothing is larger
// than the class's numbers.
func TestChosenBars(t *testing.T) {
	small := setting.Default()
	small.Range = "20"
	for _, kind := range []task.Kind{chain.Kind, numberrods.Kind} {
		got, err := wire.ChosenBarsOf(small, wire.ChooseBars{Kind: string(kind), Count: 48}, nil, 3)
		if err != nil || got.Fits == 0 || got.Fits != got.Left {
			t.Fatalf("%s: %+v, %v", kind, got, err)
		}
		for _, row := range got.Rows {
			on := 0
			for _, o := range row.Options {
				if o.On {
					on++
				}
			}
			if on == 0 || on != len(got.Choice.Wanted[row.ID]) || row.Single && on != 1 {
				t.Errorf("%s, %s: %+v", kind, row.ID, row)
			}
		}
		for _, p := range got.Problems {
			if p.Answer > 20 || p.Kind != string(kind) {
				t.Errorf("%s: %s", kind, p.Text)
			}
		}
	}
	hundreds, err := wire.ChosenBarsOf(setting.Default(), wire.ChooseBars{Kind: "chain", Count: 12, Wanted: map[string][]string{"beads": {"100"}, "asks": {"how-many"}}}, nil, 3)
	if err != nil || hundreds.Fits != 9 || hundreds.Problems[0].Chain.Beads != 100 {
		t.Errorf("hundreds: %+v, %v", hundreds, err)
	}
	var field *wire.FieldError
	for _, ask := range []wire.ChooseBars{{Kind: "sticks"}, {Kind: "chain", Wanted: map[string][]string{"beads": {"11"}}}, {Kind: "number-rods", Wanted: map[string][]string{"asks": {"sing"}}}} {
		if _, err := wire.ChosenBarsOf(small, ask, nil, 3); !errors.As(err, &field) || !errors.Is(err, wire.ErrBars) {
			t.Errorf("%+v: %v", ask, err)
		}
	}
}
