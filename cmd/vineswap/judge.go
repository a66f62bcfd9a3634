package main

import (
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"math"
	"os"
	"strings"

	"github.com/spf13/cobra"

	"vineswap/core/book"
	"vineswap/core/diagnose"
	"vineswap/core/say"
	"vineswap/core/slip"
	"vineswap/formats"
	"vineswap/trial"
)

// How many children of each sort a trial has at most.
const mostTried = 100_000

// How many children of each sort the trials have when nobody says.
const (
	onTheLadder = 4_000
	withSlips   = 400
)

var errNothing = errors.New("name a table of answers, or say what to try: --trial, --trial-ladder")

// judged is the JSON that `judge --json` promises to scripts.
type judged struct {
	Learners []judgedLearner `json:"learners"`
}

type judgedLearner struct {
	Learner      string           `json:"learner"`
	Answers      int              `json:"answers"`
	Verdict      diagnose.Verdict `json:"verdict"`
	Explanations []explained      `json:"explanations"`
	Next         string           `json:"next"` // the question that would tell; empty where none would
}

type explained struct {
	Slips       []slip.ID   `json:"slips"`
	Alike       [][]slip.ID `json:"alike"`
	Probability float64     `json:"probability"`
	Explains    []int       `json:"explains"` // counted from 1, in the order of the file
}

func judgeCommand() *cobra.Command {
	var asJSON, onLadder, onSlips bool
	children, seed := whole(0), whole(7)
	cmd := &cobra.Command{
		Use:   "judge answers.csv",
		Short: "Say what explains the answers in a table, or try how well that is done",
		Long: "Says what explains the answers in a table with the columns " + strings.Join(formats.PlainHeader, ",") + ", in the\n" +
			"order in which they were given; the columns day, manner and help are read where there\nare any. --trial and --trial-ladder show how well the judgements do on simulated children.",
		Args: func(_ *cobra.Command, args []string) error {
			switch trying := onLadder || onSlips; {
			case onLadder && onSlips:
				return usageError{errors.New("one trial at a time: --trial or --trial-ladder")}
			case trying && len(args) > 0:
				return usageError{errors.New("a trial takes flags alone")}
			case !trying && len(args) != 1:
				return usageError{errNothing}
			}
			return nil
		},
		RunE: func(cmd *cobra.Command, args []string) error {
			out := cmd.OutOrStdout()
			switch {
			case children > mostTried || cmd.Flags().Changed("children") && children < 1:
				return usageError{fmt.Errorf("--children %d: ask for 1 to %d", children, mostTried)}
			case onLadder:
				return tryLadder(out, int(children), uint64(seed))
			case onSlips:
				return trySlips(out, int(children), uint64(seed))
			}
			return judgeFile(out, args[0], asJSON)
		},
	}
	cmd.Flags().BoolVar(&asJSON, "json", false, "print JSON")
	cmd.Flags().BoolVar(&onSlips, "trial", false, "try what explains answers, on children with slips, beside the slip that fits most")
	cmd.Flags().BoolVar(&onLadder, "trial-ladder", false, "try the rule of the ladder beside three in a row and eight of the last ten")
	cmd.Flags().Var(&children, "children", "how many children of each sort")
	cmd.Flags().Var(&seed, "seed", "the same seed makes the same children")
	return cmd
}

func tryLadder(out io.Writer, children int, seed uint64) error {
	if children == 0 {
		children = onTheLadder
	}
	rows, err := trial.Ladder(children, seed)
	if err != nil {
		return err
	}
	fmt.Fprintf(out, "%d children of each sort, seed %d\n\n", children, seed)
	return trial.Print(out, rows)
}

func trySlips(out io.Writer, children int, seed uint64) error {
	if children == 0 {
		children = withSlips
	}
	fmt.Fprintf(out, "%d children of each sort, seed %d\n\n", children, seed)
	return trial.PrintSlips(out, trial.SlipTrial(children, seed))
}

func judgeFile(out io.Writer, name string, asJSON bool) error {
	file, err := os.Open(name)
	if err != nil {
		return usageError{err}
	}
	defer file.Close()
	answers, err := formats.ReadAnswers(file, formats.PlainHeader)
	if err != nil {
		return usageError{fmt.Errorf("%s: %w", name, err)}
	}
	found := judgeAnswers(answers)
	if asJSON {
		return json.NewEncoder(out).Encode(found)
	}
	return printJudged(out, found)
}

// judgeAnswers says of each learner, in the order of the table, what explains the answers.
func judgeAnswers(answers []formats.Answer) judged {
	var names []string
	by := map[string][]book.Observation{}
	for _, a := range answers {
		if by[a.Learner] == nil {
			names = append(names, a.Learner)
		}
		by[a.Learner] = append(by[a.Learner], a.Observation)
	}
	out := judged{Learners: []judgedLearner{}}
	pools := map[diagnose.Shape]*diagnose.Pool{}
	for _, name := range names {
		seen := by[name]
		f := diagnose.Judge(seen)
		l := judgedLearner{Learner: name, Answers: len(seen), Verdict: f.Verdict, Explanations: []explained{}}
		for _, e := range f.Explanations {
			one := explained{e.Slips, e.Alike, math.Round(e.Probability*1e4) / 1e4, []int{}}
			for _, at := range e.Explains {
				one.Explains = append(one.Explains, at+1)
			}
			l.Explanations = append(l.Explanations, one)
		}
		shape := diagnose.ShapeOf(seen)
		if pools[shape] == nil {
			pools[shape] = shape.Pool()
		}
		if q, found := pools[shape].Next(seen); found {
			l.Next = q.Task.String()
		}
		out.Learners = append(out.Learners, l)
	}
	return out
}

// mostSaid is how many explanations are printed for people.
const mostSaid = 3

func printJudged(out io.Writer, j judged) error {
	var b strings.Builder
	for _, l := range j.Learners {
		fmt.Fprintf(&b, "%s, %d answers: %s\n", l.Learner, l.Answers, say.Verdict(l.Verdict))
		for _, e := range l.Explanations[:min(mostSaid, len(l.Explanations))] {
			fmt.Fprintf(&b, "  %3.0f %%  %s; explains %d of %d\n", 100*e.Probability, say.Slips(e.Slips), len(e.Explains), l.Answers)
			if n := len(e.Alike); n > 0 {
				fmt.Fprintf(&b, "         nothing asked so far tells this from %d others\n", n)
			}
		}
		if l.Next != "" {
			fmt.Fprintf(&b, "  ask %s next\n", l.Next)
		}
	}
	_, err := io.WriteString(out, b.String())
	return err
}
