package main

import (
	"encoding/json"
	"fmt"
	"io"
	"math/rand/v2"
	"strconv"
	"strings"

	"github.com/spf13/cobra"

	"vineswap/core/choose"
	"vineswap/core/place"
	"vineswap/core/say"
	"vineswap/core/swap"
)

// mostDrawn is how many problems one call may ask for.
const mostDrawn = 100_000

// chosen is the JSON that `choose --json` promises to scripts.
type chosen struct {
	Fits     choose.Count     `json:"fits"`
	Problems [][]place.Number `json:"problems"`
}

type chooseFlags struct {
	op, digits, swap, zeros, seed string
	count                         int
	json                          bool
}

func chooseCommand() *cobra.Command {
	var f chooseFlags
	cmd := &cobra.Command{
		Use:   "choose",
		Short: "Count and draw sums by the swaps that they cause",
		Args: func(cmd *cobra.Command, args []string) error {
			return exactly(0, "choose takes flags alone")(cmd, args)
		},
		RunE: func(cmd *cobra.Command, _ []string) error {
			return chooseNumbers(cmd.OutOrStdout(), cmd.ErrOrStderr(), f)
		},
	}
	flags := cmd.Flags()
	flags.StringVar(&f.op, "op", "add", "the operation: add")
	flags.StringVar(&f.digits, "digits", "", "how many digits each number has, such as 2,2")
	flags.StringVar(&f.swap, "swap", "", "which places swap, such as ones=yes,tens=no; others may")
	flags.StringVar(&f.zeros, "zeros", "any", "a digit 0 in the numbers: any, no or yes")
	flags.StringVar(&f.seed, "seed", "", "a whole number; the same seed draws the same problems")
	flags.IntVar(&f.count, "count", 12, "how many problems to draw, 1 to 100000")
	flags.BoolVar(&f.json, "json", false, "print JSON")
	return cmd
}

// choice reads the flags; every error is a mistake in typing.
func (f chooseFlags) choice() (choose.Choice, error) {
	var c choose.Choice
	var err error
	if f.op != "add" {
		return c, fmt.Errorf("--op %q: only add can be chosen here", f.op)
	}
	if f.count < 1 || f.count > mostDrawn {
		return c, fmt.Errorf("--count %d: ask for 1 to %d problems", f.count, mostDrawn)
	}
	if c.Digits, err = parseDigits(f.digits); err != nil {
		return c, fmt.Errorf("--digits: %w", err)
	}
	if c.Swap, err = choose.ParseSwaps(f.swap); err != nil {
		return c, fmt.Errorf("--swap: %w", err)
	}
	if c.Zeros, err = choose.ParseWant(f.zeros); err != nil {
		return c, fmt.Errorf("--zeros: %w", err)
	}
	return c, nil
}

func parseDigits(text string) ([]int, error) {
	if text == "" {
		return nil, fmt.Errorf("say how many digits each number has, such as 2,2")
	}
	var digits []int
	for part := range strings.SplitSeq(text, ",") {
		n, err := strconv.Atoi(strings.TrimSpace(part))
		if err != nil {
			return nil, fmt.Errorf("%q is no number of digits", part)
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
		return 0, false, fmt.Errorf("--seed %q is no whole number from 0", f.seed)
	}
	return seed, false, nil
}

func chooseNumbers(out, tell io.Writer, f chooseFlags) error {
	choice, err := f.choice()
	if err != nil {
		return usageError{err}
	}
	seed, drawn, err := f.seedOf()
	if err != nil {
		return usageError{err}
	}
	space, err := choice.Space()
	if err != nil {
		return usageError{err}
	}
	if drawn {
		fmt.Fprintf(tell, "seed %d\n", seed)
	}
	res := chosen{space.Fits(), space.Draw(f.count, seed)}
	if f.json {
		return json.NewEncoder(out).Encode(res)
	}
	return printChosen(out, res)
}

func printChosen(out io.Writer, res chosen) error {
	var b strings.Builder
	fmt.Fprintf(&b, "%s fit\n", res.Fits)
	for _, numbers := range res.Problems {
		fmt.Fprintf(&b, "  %-28s %s\n", swap.SumOf(numbers...), say.Words{}.Stage(choose.StageOf(numbers)))
	}
	_, err := io.WriteString(out, b.String())
	return err
}
