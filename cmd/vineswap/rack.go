package main

import (
	"encoding/json"
	"fmt"
	"io"
	"strconv"
	"strings"

	"github.com/spf13/cobra"

	"vineswap/core/rack"
	"vineswap/core/say"
)

// racked is the JSON that `rack --json` promises to scripts: always the rack of 100.
type racked struct {
	Value  int       `json:"value"`
	Rows   []int     `json:"rows"`
	Pushes int       `json:"pushes"`
	Ways   []rackWay `json:"ways"`
}

type rackWay struct {
	Way   rack.Way `json:"way"`
	Looks int      `json:"looks"`
}

func rackCommand() *cobra.Command {
	var asJSON bool
	cmd := &cobra.Command{
		Use:   "rack 64",
		Short: "Push a number on the bead rack of 100, and tell the ways of seeing it",
		Args: func(cmd *cobra.Command, args []string) error {
			return exactly(1, "rack takes one number, such as 64")(cmd, args)
		},
		RunE: func(cmd *cobra.Command, args []string) error {
			n, err := strconv.Atoi(args[0])
			if err != nil {
				return usageError{fmt.Errorf("%q is not a number such as 64", args[0])}
			}
			r, err := rack.New(rack.Hundred, n)
			if err != nil {
				return usageError{err}
			}
			out := racked{Value: n, Rows: r.Rows(), Pushes: r.Pushes(), Ways: []rackWay{}}
			for _, s := range r.Seen() {
				out.Ways = append(out.Ways, rackWay{s.Way, len(s.Looks)})
			}
			if asJSON {
				return json.NewEncoder(cmd.OutOrStdout()).Encode(out)
			}
			return printRack(cmd.OutOrStdout(), r, out)
		},
	}
	cmd.Flags().BoolVar(&asJSON, "json", false, "print JSON")
	return cmd
}

// printRack draws the rack: one colour as filled beads, the other as rings.
func printRack(out io.Writer, r rack.Rack, told racked) error {
	var b strings.Builder
	for row, pushed := range told.Rows {
		for bead := range 10 {
			if bead == pushed {
				b.WriteString("     ")
			}
			if rack.First(row, bead) {
				b.WriteString("● ")
			} else {
				b.WriteString("○ ")
			}
		}
		b.WriteString("\n")
	}
	fmt.Fprintf(&b, "%s\n", say.Pushes(told.Pushes))
	for _, way := range told.Ways {
		fmt.Fprintf(&b, "%s: %s\n", say.Seeing(way.Way), say.Looks(way.Looks))
	}
	if len(told.Ways) == 0 {
		b.WriteString("nothing is easier than counting\n")
	}
	_, err := io.WriteString(out, b.String())
	return err
}
