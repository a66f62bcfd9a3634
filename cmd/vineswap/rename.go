package main

import (
	"encoding/json"
	"fmt"
	"io"
	"strings"

	"github.com/spf13/cobra"

	"vineswap/core/piece"
	"vineswap/core/place"
	"vineswap/core/rename"
	"vineswap/core/say"
)

// mostWays is how many ways `rename` lists.
const mostWays = 100

// renamed is the JSON that `rename --json` promises to scripts.
type renamed struct {
	Value place.Number    `json:"value"`
	Ways  uint64          `json:"ways"`  // of laying it with ones, tens, hundreds and thousands
	First []piece.Holding `json:"first"` // at most a hundred, fewest pieces first
}

func renameCommand() *cobra.Command {
	var asJSON bool
	cmd := &cobra.Command{
		Use:   "rename 342",
		Short: "Count the ways of laying a number with ones, tens, hundreds and thousands, and list them",
		RunE: func(cmd *cobra.Command, args []string) error {
			if err := exactly(1, `rename takes one number of at most six digits, such as "342"`)(cmd, args); err != nil {
				return err
			}
			n, err := place.ParseNumber(args[0])
			if err != nil {
				return usageError{fmt.Errorf("%q: %w", args[0], err)}
			}
			made := renamed{n, rename.Ways(n), rename.First(n, mostWays)}
			if asJSON {
				return json.NewEncoder(cmd.OutOrStdout()).Encode(made)
			}
			return printWays(cmd.OutOrStdout(), made)
		},
	}
	cmd.Flags().BoolVar(&asJSON, "json", false, "print JSON")
	return cmd
}

func printWays(out io.Writer, made renamed) error {
	var b strings.Builder
	fmt.Fprintf(&b, "%d can be laid in %d ways", made.Value, made.Ways)
	if uint64(len(made.First)) < made.Ways {
		fmt.Fprintf(&b, "; the first %d, fewest pieces first", len(made.First))
	}
	b.WriteString(":\n")
	for _, way := range made.First {
		var parts []string
		for p := place.Thousands; p >= place.Ones; p-- {
			if n := way.At(p); n > 0 {
				parts = append(parts, say.Words{}.Count(n, p))
			}
		}
		if len(parts) == 0 {
			parts = append(parts, "nothing")
		}
		fmt.Fprintf(&b, "  %s\n", strings.Join(parts, ", "))
	}
	_, err := io.WriteString(out, b.String())
	return err
}
