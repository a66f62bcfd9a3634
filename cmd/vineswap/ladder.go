package main

import (
	"encoding/json"
	"fmt"
	"io"
	"os"
	"slices"
	"strings"

	"github.com/spf13/cobra"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/place"
	"vineswap/core/say"
	"vineswap/formats"
)

// ladderLimit is how far the numbers of the children in a file go.
const ladderLimit place.Number = 10_000

// climbed is the JSON that `ladder --json` promises to scripts.
type climbed struct {
	Learners []climber `json:"learners"`
}

type climber struct {
	Learner string         `json:"learner"`
	Leaves  []climbedLeaf  `json:"leaves"`
	History []ladder.State `json:"history,omitempty"` // one state a row
}

type climbedLeaf struct {
	Stage  choose.StageID `json:"stage"`
	Manner book.Manner    `json:"manner"`
	State  ladder.State   `json:"state"`
	Beads  float64        `json:"beads"`
	Since  string         `json:"since"`
	Last   string         `json:"last"`
	Reason string         `json:"reason"`
}

func ladderCommand() *cobra.Command {
	var asJSON, history bool
	cmd := &cobra.Command{
		Use:   "ladder records.csv",
		Short: "Judge the answers in a table, without a database",
		Long: "Judges the answers in a table with the columns " + strings.Join(formats.AnswersHeader, ",") + ",\n" +
			"in the order in which they were given; numbers go to 10,000. Answers whose stage\nrefuses their numbers count for the stage that these belong to.",
		Args: func(cmd *cobra.Command, args []string) error {
			return exactly(1, "ladder reads one file")(cmd, args)
		},
		RunE: func(cmd *cobra.Command, args []string) error {
			file, err := os.Open(args[0])
			if err != nil {
				return usageError{err}
			}
			defer file.Close()
			answers, err := formats.ReadAnswers(file, formats.AnswersHeader)
			if err != nil {
				return usageError{fmt.Errorf("%s: %w", args[0], err)}
			}
			out := climb(answers, history)
			if asJSON {
				return json.NewEncoder(cmd.OutOrStdout()).Encode(out)
			}
			return printClimbed(cmd.OutOrStdout(), out)
		},
	}
	cmd.Flags().BoolVar(&asJSON, "json", false, "print JSON")
	cmd.Flags().BoolVar(&history, "history", false, "tell the state of each answer's stage and manner after it")
	return cmd
}

// climb judges the answers of all learners, as children of one class.
func climb(answers []formats.Answer, history bool) climbed {
	class := ladder.Class{Limit: ladderLimit}
	var names []string
	events := map[string][]ladder.Event{}
	last := book.Day(0)
	for _, a := range answers {
		if events[a.Learner] == nil {
			names = append(names, a.Learner)
		}
		events[a.Learner] = append(events[a.Learner], ladder.Saw(a.Observation))
		class.Weeks = append(class.Weeks, a.Day.Week())
		last = max(last, a.Day)
	}
	slices.Sort(class.Weeks)
	class.Weeks = slices.Compact(class.Weeks)
	out := climbed{Learners: []climber{}}
	for _, name := range names {
		c := climber{Learner: name, Leaves: []climbedLeaf{}}
		fold := ladder.NewFold(class)
		for _, e := range events[name] {
			fold.Take(e)
			if history {
				c.History = append(c.History, class.On(fold.Standing(e.Key), e.Day()))
			}
		}
		child := ladder.Child{Class: class, Standings: fold.Standings()}
		for _, strand := range ladder.Strands() {
			for _, leaf := range child.Vine(strand, last) {
				c.Leaves = append(c.Leaves, leavesOf(leaf, last)...)
			}
		}
		out.Learners = append(out.Learners, c)
	}
	return out
}

// leavesOf are the manners of a stage of which something is recorded.
func leavesOf(leaf ladder.Leaf, day book.Day) []climbedLeaf {
	var out []climbedLeaf
	for _, lobe := range leaf.Lobes {
		if lobe.State == ladder.NotYet {
			continue
		}
		out = append(out, climbedLeaf{
			leaf.Stage, lobe.Manner, lobe.State, lobe.Beads.Float(), lobe.Since.String(), lobe.Last.String(),
			strings.ReplaceAll(say.Words{}.Reason(leaf.Stage, lobe, day), "\u00a0", " "),
		})
	}
	return out
}

func printClimbed(out io.Writer, c climbed) error {
	var b strings.Builder
	for _, l := range c.Learners {
		fmt.Fprintln(&b, l.Learner)
		for _, leaf := range l.Leaves {
			fmt.Fprintf(&b, "  %s, %s: %s\n      %s\n", say.Words{}.Stage(leaf.Stage), say.InManner(leaf.Manner), say.State(leaf.State), leaf.Reason)
		}
		if len(l.Leaves) == 0 {
			fmt.Fprintln(&b, "  nothing that is judged")
		}
		if len(l.History) > 0 {
			words := make([]string, len(l.History))
			for i, s := range l.History {
				words[i] = say.State(s)
			}
			fmt.Fprintf(&b, "  after each answer: %s\n", strings.Join(words, ", "))
		}
	}
	_, err := io.WriteString(out, b.String())
	return err
}
