package main

import (
	"errors"
	"fmt"

	"github.com/spf13/cobra"

	"vineswap/trial"
)

func turnsCommand() *cobra.Command {
	var try bool
	seed := uint64(7)
	cmd := &cobra.Command{
		Use:   "turns --trial",
		Short: "Show how long children of a whole class wait for a turn, by the queue and at random",
		Args:  func(c *cobra.Command, args []string) error { return exactly(0, "turns takes no arguments")(c, args) },
		RunE: func(cmd *cobra.Command, _ []string) error {
			if !try {
				return usageError{errors.New("say turns --trial")}
			}
			o := trial.TurnsOf(seed)
			out := cmd.OutOrStdout()
			fmt.Fprintf(out, "%d children, %d asked a day, %.0f %% away, %d school days, seed %d\n\n", o.Children, o.Asked, 100*o.Away, o.Days, o.Seed)
			fmt.Fprintln(out, "who explains  longest wait  mean wait  a week: fewest  most  spread")
			for _, row := range trial.Turns(o) {
				fmt.Fprintf(out, "%-12s  %7d days  %4.1f days  %14d  %4d  %6.2f\n", row.Name, row.Longest, row.Mean, row.Fewest, row.Most, row.Spread)
			}
			return nil
		},
	}
	cmd.Flags().BoolVar(&try, "trial", false, "try it on a made-up class over a school year")
	cmd.Flags().Uint64Var(&seed, "seed", seed, "another seed draws another year")
	return cmd
}
