package main

import (
	"errors"
	"fmt"

	"github.com/spf13/cobra"

	"vineswap/trial"
)

// mostRooms is how many classes a trial has at most.
const mostRooms = 1_000

var errNoGroups = errors.New("say what to try: --trial")

func groupCommand() *cobra.Command {
	var tried bool
	rooms, seed := whole(8), whole(7)
	cmd := &cobra.Command{
		Use:   "group",
		Short: "Show whom suggested lessons leave out, and what is learned by them, on simulated classes",
		Args: func(cmd *cobra.Command, args []string) error {
			return exactly(0, "group takes flags alone")(cmd, args)
		},
		RunE: func(cmd *cobra.Command, _ []string) error {
			switch {
			case !tried:
				return usageError{errNoGroups}
			case rooms < 1 || rooms > mostRooms:
				return usageError{fmt.Errorf("--classes %d: ask for 1 to %d", rooms, mostRooms)}
			}
			return trial.WriteGrouped(cmd.OutOrStdout(), trial.Grouped(int(rooms), uint64(seed)))
		},
	}
	cmd.Flags().BoolVar(&tried, "trial", false, "try lessons by need and wait beside the stage where most are ready")
	cmd.Flags().Var(&rooms, "classes", "how many classes for each range of numbers")
	cmd.Flags().Var(&seed, "seed", "the same seed makes the same classes")
	return cmd
}
