package main

import (
	"cmp"
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"math/rand/v2"
	"slices"
	"strconv"
	"strings"

	"github.com/spf13/cobra"

	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/say"
)

// mostDrawn is how many problems one call may ask for.
const mostDrawn = 100_000

// chosen is the JSON that `choose --json` promises to scripts.
type chosen struct {
	Fits     choose.Count     `json:"fits"`
	Problems [][]place.Number `json:"problems"`
}

type chooseFlags struct {
	op, stage, digits, swap, zeros, seed      string
	made, several, exact, zeroAt              string
	cross, row, rest, makeTen, doubles, facts string
	limit, gives                              string
	by, groups, count                         whole
	spread, json                              bool
	snakes                                    snakeFlags
}

func chooseCommand() *cobra.Command {
	var f chooseFlags
	cmd := &cobra.Command{
		Use:   "choose",
		Short: "Count and draw problems by the swaps they cause",
		Args: func(cmd *cobra.Command, args []string) error {
			return exactly(0, "choose takes flags alone")(cmd, args)
		},
		RunE: func(cmd *cobra.Command, _ []string) error {
			if err := onlySnakes(cmd, f.op); err != nil {
				return err
			}
			if f.op == opSnake {
				return chooseSnakes(cmd.OutOrStdout(), cmd.ErrOrStderr(), f)
			}
			return chooseNumbers(cmd.Context(), cmd.OutOrStdout(), cmd.ErrOrStderr(), f)
		},
	}
	flags := cmd.Flags()
	for _, flag := range []struct {
		to          *string
		name, first string
		says        string
	}{
		{&f.op, "op", problem.Operation(problem.Sum), "the operation: add, subtract, share or multiply; or snake, of bead bars"},
		{&f.stage, "stage", "", "a stage of the ladder, such as taking/across-zeros"},
		{&f.digits, "digits", "", "how many digits each number has, such as 2,2; of share and multiply the first number's alone"},
		{&f.swap, "swap", "", "which places swap, such as ones=yes,tens=no; others may"},
		{&f.made, "only-by-below", "", "which swap only because of the swap below, in the same form"},
		{&f.several, "two-at-once", "", "which give up two or more at once, in the same form"},
		{&f.gives, "carry", "", "how many a place gives up exactly, such as ones=2"},
		{&f.exact, "exact", "", "which swap and keep nothing"},
		{&f.zeroAt, "zero-at", "", "where a 0 stands"},
		{&f.zeros, "zeros", "any", "a digit 0 in the numbers, in taking away in the larger: any, no or yes"},
		{&f.cross, "cross-zero", "any", "taking away: a swap over a zero: any, no or yes"},
		{&f.row, "cross-row", "any", "and over two or more in a row"},
		{&f.rest, "remainder", "any", "sharing: a remainder"},
		{&f.makeTen, "make-ten", "any", "a pair in the ones that makes ten"},
		{&f.doubles, "doubles", "any", "a double in the ones"},
		{&f.facts, "facts", string(choose.AllFacts), "which digits may meet: all, up-to-ten, doubles or bonds"},
		{&f.limit, "per-place-limit", "", "how many pieces there are, such as ones=20,tens=15"},
		{&f.snakes.remainders, "remainders", "", "snake: what a ten leaves of a bar, such as 3=yes,5=no; others may"},
		{&f.seed, "seed", "", "a whole number; the same seed draws the same problems"},
	} {
		flags.StringVar(flag.to, flag.name, flag.first, flag.says)
	}
	f.groups, f.count = 1, 12
	f.snakes = snakeFlags{bars: 7, stairs: 2}
	flags.Var(&f.snakes.bars, "bars", "snake: how many bars")
	flags.Var(&f.snakes.stairs, "stairs", "snake: how many stairs there are, each with one bar of a size")
	flags.Var(&f.by, "by", "how many share, or how many equal groups there are; any of 2 to 9 without it")
	flags.Var(&f.groups, "groups", "how many groups of children lay it out at once")
	flags.Var(&f.count, "count", "how many problems to draw, 1 to 100000")
	flags.BoolVar(&f.spread, "spread", false, "a set: the ways of swapping in equal parts, gentle first, no two alike")
	flags.BoolVar(&f.json, "json", false, "print JSON")
	return cmd
}

// choice reads the flags; every error is a mistake in typing.
func (f chooseFlags) choice() (choose.Choice, error) {
	c := choose.Choice{Stage: choose.StageID(f.stage), By: int(f.by), Groups: int(f.groups)}
	var err error
	c.Kind = problem.KindOf(f.op)
	if !slices.Contains(choose.Kinds(), c.Kind) {
		return c, fmt.Errorf("--op: numbers are chosen for add, subtract, share, multiply or snake, not %q", f.op)
	}
	if f.stage != "" {
		if c.Stage, err = choose.ParseStage(f.stage); err != nil {
			return c, fmt.Errorf("--stage: %w", err)
		}
	}
	if f.count < 1 || f.count > mostDrawn {
		return c, fmt.Errorf("--count %d: ask for 1 to %d problems", f.count, mostDrawn)
	}
	if f.groups < 1 {
		return c, fmt.Errorf("--groups %d: %w", f.groups, choose.ErrGroups)
	}
	if c.Digits, err = parseDigits(f.digits); err != nil {
		return c, fmt.Errorf("--digits: %w", err)
	}
	for _, wish := range []struct {
		to         *choose.Wants
		name, text string
	}{{&c.Swap, "swap", f.swap}, {&c.Made, "only-by-below", f.made}, {&c.Several, "two-at-once", f.several}, {&c.Exact, "exact", f.exact}, {&c.ZeroAt, "zero-at", f.zeroAt}} {
		if *wish.to, err = choose.ParseSwaps(wish.text); err != nil {
			return c, fmt.Errorf("--%s: %w", wish.name, err)
		}
	}
	for _, wish := range []struct {
		to         *choose.Want
		name, text string
	}{{&c.Zeros, "zeros", f.zeros}, {&c.Cross, "cross-zero", f.cross}, {&c.Row, "cross-row", f.row}, {&c.Rest, "remainder", f.rest}, {&c.MakesTen, "make-ten", f.makeTen}, {&c.Doubles, "doubles", f.doubles}} {
		if *wish.to, err = choose.ParseWant(wish.text); err != nil {
			return c, fmt.Errorf("--%s: %w", wish.name, err)
		}
	}
	if c.Facts, err = choose.ParseFacts(f.facts); err != nil {
		return c, fmt.Errorf("--facts: %w", err)
	}
	if c.Limit, err = choose.ParseLimits(f.limit); err != nil {
		return c, fmt.Errorf("--per-place-limit: %w", err)
	}
	if c.Gives, err = choose.ParseGives(f.gives); err != nil {
		return c, fmt.Errorf("--carry: %w", err)
	}
	return c, nil
}

// flagOf names the flag of a field of a choice.
var flagOf = map[string]string{
	"kind": "op", "knot": "swap", "made": "only-by-below", "several": "two-at-once", "gives": "carry", "limit": "per-place-limit", "row": "cross-row", "rest": "remainder",
}

// flagged is an error of a choice with the flag that it comes from.
func flagged(err error) error {
	var fault *choose.Fault
	if !errors.As(err, &fault) {
		return err
	}
	return fmt.Errorf("--%s: %w", cmp.Or(flagOf[fault.Field], fault.Field), err)
}

func parseDigits(text string) ([]int, error) {
	if text == "" {
		return nil, fmt.Errorf("say how many digits each number has, such as 2,2")
	}
	var digits []int
	for part := range strings.SplitSeq(text, ",") {
		n, err := strconv.Atoi(strings.TrimSpace(part))
		if err != nil {
			return nil, fmt.Errorf("%q is not a number of digits", part)
		}
		digits = append(digits, n)
	}
	return digits, nil
}

// seedOf reads the seed, or draws one.
func (f chooseFlags) seedOf() (seed uint64, drawn bool, err error) {
	if f.seed == "" {
		return rand.Uint64N(1_000_000), true, nil
	}
	seed, err = strconv.ParseUint(f.seed, 10, 64)
	if err != nil {
		return 0, false, fmt.Errorf("--seed %q is not a whole number, 0 or more", f.seed)
	}
	return seed, false, nil
}

func chooseNumbers(ctx context.Context, out, tell io.Writer, f chooseFlags) error {
	choice, err := f.choice()
	if err != nil {
		return usageError{err}
	}
	seed, drawn, err := f.seedOf()
	if err != nil {
		return usageError{err}
	}
	choice = choice.In(ctx)
	space, err := choice.Space()
	if ctx.Err() != nil {
		return ctx.Err()
	}
	if err != nil {
		return usageError{flagged(err)}
	}
	if drawn {
		fmt.Fprintf(tell, "seed %d\n", seed)
	}
	if space.Fits().IsZero() {
		tellWhy(tell, choice)
	}
	draw := space.Draw
	if f.spread {
		draw = space.Spread
	}
	res := chosen{space.Fits(), draw(int(f.count), seed)}
	if ctx.Err() != nil {
		return ctx.Err()
	}
	if f.json {
		return json.NewEncoder(out).Encode(res)
	}
	return printChosen(out, choice, res)
}

// tellWhy says why nothing fits, and what would.
func tellWhy(tell io.Writer, c choose.Choice) {
	clash, mends := c.Conflict()
	fmt.Fprintln(tell, say.Words{}.Clash(c.Kind, clash))
	for _, m := range mends {
		fmt.Fprintf(tell, "  %s: %s fit\n", say.Words{}.Mend(c.Kind, m), m.Fits)
	}
}

func printChosen(out io.Writer, c choose.Choice, res chosen) error {
	var b strings.Builder
	fmt.Fprintf(&b, "%s\n%s fit\n", say.Words{}.Choice(c), res.Fits)
	for _, numbers := range res.Problems {
		p := problem.Of(c.Kind, numbers...)
		fmt.Fprintf(&b, "  %-28s %s\n", p, say.Words{}.Stage(ladder.Credit(p.Task(), c.Stage)))
	}
	_, err := io.WriteString(out, b.String())
	return err
}
