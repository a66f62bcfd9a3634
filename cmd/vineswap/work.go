package main

import (
	"encoding/json"
	"fmt"
	"io"
	"strings"

	"github.com/spf13/cobra"

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
	Swaps     []swap.Swap    `json:"swaps"`
	Steps     []workedStep   `json:"steps"`
}

func workCommand() *cobra.Command {
	var asJSON bool
	cmd := &cobra.Command{
		Use:   `work "47+25"`,
		Short: "Work a sum or a difference step by step with pieces",
		// A sum such as -3+4 looks like flags: they are read by hand, so that
		// what is wrong with the number can be said.
		DisableFlagParsing: true,
		RunE: func(cmd *cobra.Command, args []string) error {
			var sums []string
			for _, arg := range args {
				switch arg {
				case "--json":
					asJSON = true
				case "-h", "--help":
					return cmd.Help()
				default:
					if strings.HasPrefix(arg, "--") {
						return usageError{fmt.Errorf("unknown flag %s: work knows --json", arg)}
					}
					sums = append(sums, arg)
				}
			}
			if err := exactly(1, `work takes one problem, such as "47+25" or "62-38"`)(cmd, sums); err != nil {
				return err
			}
			return work(cmd.OutOrStdout(), sums[0], asJSON)
		},
	}
	cmd.Flags().BoolVar(&asJSON, "json", false, "print the whole trace as JSON")
	return cmd
}

func work(out io.Writer, text string, asJSON bool) error {
	problem, err := swap.Parse(text)
	if err != nil {
		return usageError{err}
	}
	trace, err := swap.Solve(problem)
	if err != nil {
		return err
	}
	words := say.Words{}
	if asJSON {
		return json.NewEncoder(out).Encode(workedOut(trace, words))
	}
	return printWork(out, trace, words)
}

func workedOut(t swap.Trace, w say.Words) worked {
	res := worked{Operation: t.Problem.Kind.Operation(), Numbers: t.Problem.Numbers, Answer: t.Answer, Swaps: t.Swaps}
	if res.Swaps == nil {
		res.Swaps = []swap.Swap{}
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
	fmt.Fprintf(&b, "%s = %d, %s\n\n", t.Problem, t.Answer, w.Swaps(len(t.Swaps)))
	for i, line := range w.Trace(t) {
		fmt.Fprintf(&b, "  %s\n", line)
		if len(t.Steps[i].Moves) > 0 {
			fmt.Fprintf(&b, "      %s\n", lying(t.Steps[i].Zones))
		}
	}
	b.WriteString("\n" + written(t))
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
