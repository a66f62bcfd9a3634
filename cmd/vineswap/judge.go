package main

import (
	"errors"
	"fmt"

	"github.com/spf13/cobra"

	"vineswap/trial"
)

// How many children of each sort a trial has at most.
const mostTried = 100_000

var errNoTrial = errors.New("say what to try: --trial-ladder")

func judgeCommand() *cobra.Command {
	var onLadder bool
	children := whole(4_000)
	seed := whole(7)
	cmd := &cobra.Command{
		Use:   "judge",
		Short: "Show how well a judgement does on simulated children",
		Args: func(cmd *cobra.Command, args []string) error {
			return exactly(0, "judge takes flags alone")(cmd, args)
		},
		RunE: func(cmd *cobra.Command, _ []string) error {
			switch {
			case !onLadder:
				return usageError{errNoTrial}
			case children < 1 || children > mostTried:
				return usageError{fmt.Errorf("--children %d: ask for 1 to %d", children, mostTried)}
			}
			rows, err := trial.Ladder(int(children), uint64(seed))
			if err != nil {
				return err
			}
			fmt.Fprintf(cmd.OutOrStdout(), "%d children of each sort, seed %d\n\n", children, seed)
			return trial.Print(cmd.OutOrStdout(), rows)
		},
	}
	cmd.Flags().BoolVar(&onLadder, "trial-ladder", false, "try the rule of the ladder beside three in a row and eight of the last ten")
	cmd.Flags().Var(&children, "children", "how many children of each sort")
	cmd.Flags().Var(&seed, "seed", "the same seed makes the same children")
	return cmd
}
