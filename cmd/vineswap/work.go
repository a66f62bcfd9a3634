package main

import (
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"strings"

	"github.com/spf13/cobra"
	"github.com/spf13/pflag"

	"vineswap/core/place"
	"vineswap/core/say"
	"vineswap/core/swap"
)

// workedStep and worked are the JSON that `work --json` promises to scripts.
type workedStep struct {
	Kind  swap.StepKind `json:"kind"`
	Say   string        `json:"say"`
	Zones swap.Zones    `json:"zones"`
}

type worked struct {
	Operation string         `json:"operation"`
	Numbers   []place.Number `json:"numbers"`
	Answer    place.Number   `json:"answer"`
	Remainder *place.Number  `json:"remainder,omitempty"` // of sharing and grouping
	Swaps     []swap.Swap    `json:"swaps"`
	Steps     []workedStep   `json:"steps"`
}

// workFlags are the ways of working and the words, as they are typed.
type workFlags struct {
	json, and           bool
	order, zeros, words string
}

func workCommand() *cobra.Command {
	var f workFlags
	cmd := &cobra.Command{
		Use:   `work "47+25"`,
		Short: "Work a problem step by step with pieces: 47+25, 62-38, 97/4, 78:6, 213*3",
		// A problem such as -3+4 looks like flags: they are told apart by hand, so
		// that what is wrong with the number can be said.
		DisableFlagParsing: true,
		RunE: func(cmd *cobra.Command, args []string) error {
			problems, err := withoutFlags(cmd.Flags(), args)
			if errors.Is(err, pflag.ErrHelp) {
				return cmd.Help()
			}
			if err != nil {
				return usageError{err}
			}
			if err := exactly(1, `work takes one problem, such as "47+25" or "62-38"`)(cmd, problems); err != nil {
				return err
			}
			return f.work(cmd.OutOrStdout(), problems[0])
		},
	}
	cmd.Flags().BoolVar(&f.json, "json", false, "print the whole trace as JSON")
	cmd.Flags().BoolVar(&f.and, "and", false, "say numbers with “and”")
	cmd.Flags().StringVar(&f.order, "order", string(swap.AsNeeded), "when taking away swaps: as-needed or swaps-first")
	cmd.Flags().StringVar(&f.zeros, "zeros", string(swap.PlaceByPlace), "how it goes over zeros: place-by-place or as-one")
	cmd.Flags().StringVar(&f.words, "words", string(say.Swap), "the word for the swap: swap, trade, exchange, regroup, carry or rename")
	return cmd
}

// withoutFlags reads the flags among the arguments and returns the others. One
// dash begins no flag but -h.
func withoutFlags(flags *pflag.FlagSet, args []string) ([]string, error) {
	var rest, typed []string
	for i := 0; i < len(args); i++ {
		arg := args[i]
		name, _, whole := strings.Cut(strings.TrimPrefix(arg, "--"), "=")
		switch {
		case arg == "-h":
			return nil, pflag.ErrHelp
		case !strings.HasPrefix(arg, "--"):
			rest = append(rest, arg)
		default:
			typed = append(typed, arg)
			if f := flags.Lookup(name); f != nil && f.NoOptDefVal == "" && !whole && i+1 < len(args) {
				i++
				typed = append(typed, args[i])
			}
		}
	}
	return rest, flags.Parse(typed)
}

func (f workFlags) work(out io.Writer, text string) error {
	problem, err := swap.Parse(text)
	if err != nil {
		return usageError{err}
	}
	var method swap.Method
	if method.Order, err = swap.ParseOrder(f.order); err != nil {
		return usageError{err}
	}
	if method.Zeros, err = swap.ParseZeros(f.zeros); err != nil {
		return usageError{err}
	}
	words := say.Words{And: f.and}
	if words.Swap, err = say.ParseSwapWord(f.words); err != nil {
		return usageError{err}
	}
	trace, err := method.Solve(problem)
	if err != nil {
		return err
	}
	if f.json {
		return json.NewEncoder(out).Encode(workedOut(trace, words))
	}
	return printWork(out, trace, words)
}

func workedOut(t swap.Trace, w say.Words) worked {
	res := worked{Operation: t.Problem.Kind.Operation(), Numbers: t.Problem.Numbers, Answer: t.Answer, Swaps: t.Swaps}
	if res.Swaps == nil {
		res.Swaps = []swap.Swap{}
	}
	if k := t.Problem.Kind; k == swap.Sharing || k == swap.Grouping {
		res.Remainder = &t.Remainder
	}
	for i, line := range w.Trace(t) {
		res.Steps = append(res.Steps, workedStep{t.Steps[i].Kind, line.String(), t.Steps[i].Zones})
	}
	return res
}

// printWork is the readable account: each step with what is said and what lies
// where, then the written column.
func printWork(out io.Writer, t swap.Trace, w say.Words) error {
	var b strings.Builder
	rest := ""
	if t.Remainder > 0 {
		rest = fmt.Sprintf(" rest %d", t.Remainder)
	}
	fmt.Fprintf(&b, "%s = %d%s, %s\n\n", t.Problem, t.Answer, rest, w.Swaps(len(t.Swaps)))
	for i, line := range w.Trace(t) {
		fmt.Fprintf(&b, "  %s\n", line)
		if len(t.Steps[i].Moves) > 0 {
			fmt.Fprintf(&b, "      %s\n", lying(t.Steps[i].Zones))
		}
	}
	if t.Problem.Kind == swap.Sum || t.Problem.Kind == swap.Difference {
		b.WriteString("\n" + written(t))
	}
	_, err := io.WriteString(out, b.String())
	return err
}

// lying writes the zones on one line: "joined: tens 7, ones 2".
func lying(zones swap.Zones) string {
	var piles []string
	for _, pile := range zones {
		var counts []string
		for p := place.Millions; p >= place.Ones; p-- {
			if n := pile.Pieces[p]; n > 0 {
				counts = append(counts, fmt.Sprintf("%s %d", p, n))
			}
		}
		piles = append(piles, fmt.Sprintf("%s: %s", pile.Zone, strings.Join(counts, ", ")))
	}
	return strings.Join(piles, "; ")
}

// written draws the column with the carried digits above it.
func written(t swap.Trace) string {
	width := max(t.Answer.Length(), t.Problem.Numbers[0].Length())
	carried := []byte(strings.Repeat(" ", width))
	for _, c := range t.Columns {
		if c.In > 0 {
			carried[width-1-int(c.Place)] = byte('0' + c.In)
		}
	}
	lines := []string{}
	if len(t.Swaps) > 0 && t.Problem.Kind == swap.Sum {
		lines = append(lines, strings.TrimRight("    "+string(carried), " "))
	}
	for i, n := range t.Problem.Numbers {
		sign := " "
		if i == len(t.Problem.Numbers)-1 {
			sign = map[swap.Kind]string{swap.Sum: "+", swap.Difference: "-"}[t.Problem.Kind]
		}
		lines = append(lines, fmt.Sprintf("  %s %*d", sign, width, n))
	}
	lines = append(lines, "  "+strings.Repeat("-", width+2), fmt.Sprintf("    %*d", width, t.Answer))
	return strings.Join(lines, "\n") + "\n"
}
