package main

import (
	"encoding/json"
	"fmt"
	"io"
	"strings"

	"github.com/spf13/cobra"

	"vineswap/core/paper"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/say"
	"vineswap/core/slip"
	"vineswap/core/task"
)

// slipped is the JSON that `slips --json` promises to scripts. An answer with a remainder
// has it beside the number; one that is no single number is written as text.
type slipped struct {
	Right     any        `json:"right"`
	Remainder *int       `json:"remainder,omitempty"`
	Slips     []slipGave `json:"slips"`
}

type slipGave struct {
	ID        slip.ID `json:"id"`
	Answer    any     `json:"answer"`
	Remainder *int    `json:"remainder,omitempty"`
}

func slipsCommand() *cobra.Command {
	var asJSON bool
	cmd := &cobra.Command{
		Use:   `slips "503-128"`,
		Short: "Tell what each usual slip gives for a task",
		Args: func(cmd *cobra.Command, args []string) error {
			return exactly(1, `slips takes one task, such as "503-128"`)(cmd, args)
		},
		RunE: func(cmd *cobra.Command, args []string) error {
			t, err := task.Parse(args[0])
			if err != nil {
				return usageError{err}
			}
			if asJSON {
				return json.NewEncoder(cmd.OutOrStdout()).Encode(slippedOf(t))
			}
			return printSlips(cmd.OutOrStdout(), t)
		},
	}
	cmd.Flags().BoolVar(&asJSON, "json", false, "print JSON")
	return cmd
}

func slippedOf(t task.Task) slipped {
	out := slipped{Slips: []slipGave{}}
	out.Right, out.Remainder = plain(t, t.Right())
	for _, w := range t.Wrong() {
		answer, rest := plain(t, w.Answer)
		out.Slips = append(out.Slips, slipGave{w.Slip, answer, rest})
	}
	return out
}

// plain is an answer as a number, with its remainder where the task can leave one; as text
// where it is no single number.
func plain(t task.Task, a task.Answer) (answer any, rest *int) {
	p, isProblem := problem.From(t)
	switch {
	case isProblem && p.Rests():
		left := 0
		if len(a) > 1 {
			left = int(a[1])
		}
		return int(a[0]), &left
	case len(a) == 1:
		return int(a[0]), nil
	}
	return t.Write(a), nil
}

// printSlips tells each slip in words; of sums and differences as it would stand on paper.
func printSlips(out io.Writer, t task.Task) error {
	var b strings.Builder
	fmt.Fprintf(&b, "%s: right is %s\n", t, t.Result())
	p, isProblem := problem.From(t)
	operation, numbers, inColumns := slip.Operation(0), []place.Number(nil), false
	if isProblem {
		operation, numbers, inColumns = p.InColumns()
	}
	for _, w := range t.Wrong() {
		fmt.Fprintf(&b, "\n%s: %s (%s)\n", t.Write(w.Answer), say.Slip(w.Slip), w.Slip)
		if !inColumns {
			continue
		}
		if written, ok := slip.New(w.Slip).Write(operation, numbers); ok {
			b.WriteString(paper.Notation{}.Slipped(operation, written).Text())
		}
	}
	if len(t.Wrong()) == 0 {
		b.WriteString("no usual slip gives another answer\n")
	}
	_, err := io.WriteString(out, b.String())
	return err
}
