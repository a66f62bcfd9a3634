package main

import (
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"slices"
	"strconv"
	"strings"

	"github.com/spf13/cobra"
	"github.com/spf13/pflag"

	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/say"
	"vineswap/core/snake"
	"vineswap/core/task"
	"vineswap/core/trace"
)

// snaked is the JSON that `snake --json` promises to scripts.
type snaked struct {
	Total      int         `json:"total"`
	Golden     int         `json:"golden"`
	Remainders []int       `json:"remainders"`
	Last       int         `json:"last"`
	Steps      []snakeStep `json:"steps"`
}

type snakeStep struct {
	Kind     trace.StepKind `json:"kind"`
	Position string         `json:"position"`
	Says     string         `json:"says"`
	Zones    trace.Zones    `json:"zones"`
}

func snakeCommand() *cobra.Command {
	var asJSON bool
	cmd := &cobra.Command{
		Use:   "snake 8,5,9,4",
		Short: "Count a snake of bead bars, ten for ten",
		Args: func(cmd *cobra.Command, args []string) error {
			return exactly(1, "snake takes its bars with commas, such as 8,5,9,4")(cmd, args)
		},
		RunE: func(cmd *cobra.Command, args []string) error {
			s, err := snake.Parse("snake " + args[0])
			if errors.Is(err, task.ErrForm) {
				err = fmt.Errorf("%w: write the bars with commas, such as 8,5,9,4", snake.ErrBars)
			}
			if err != nil {
				return usageError{err}
			}
			t, err := snake.Solve(s)
			if err != nil {
				return err
			}
			lines, _ := say.Words{}.Lines(t)
			if !asJSON {
				return printSnake(cmd.OutOrStdout(), s, t, lines)
			}
			out := snaked{Total: s.Total(), Golden: s.Golden(), Remainders: s.Remainders(), Last: s.Last(), Steps: []snakeStep{}}
			for i, step := range t.Steps {
				out.Steps = append(out.Steps, snakeStep{step.Kind, step.At.String(), lines[i].String(), step.Zones})
			}
			return json.NewEncoder(cmd.OutOrStdout()).Encode(out)
		},
	}
	cmd.Flags().BoolVar(&asJSON, "json", false, "print JSON")
	return cmd
}

// printSnake tells what is said at each step, the beads of one count in one line.
func printSnake(out io.Writer, s snake.Snake, t trace.Trace, lines []say.Line) error {
	var b strings.Builder
	fmt.Fprintf(&b, "%d beads: %s\n\n", s.Total(), say.SnakeEnd(s.Golden(), s.Last()))
	counting := false
	for i, line := range lines {
		count := t.Steps[i].Kind == snake.Count
		switch {
		case count && counting:
			b.WriteString(" " + line.String())
		case counting:
			b.WriteString("\n  " + line.String())
		default:
			if i > 0 {
				b.WriteString("\n")
			}
			b.WriteString("  " + line.String())
		}
		counting = count
	}
	b.WriteString("\n")
	_, err := io.WriteString(out, b.String())
	return err
}

// opSnake is what --op is for snakes.
const opSnake = "snake"

// snakeFlags are those of choose that only snakes have.
type snakeFlags struct {
	bars, stairs whole
	remainders   string
}

// onlySnakes names the flag of snakes that was given for another operation, and noneOfSnakes one
// of the others that was given for snakes; empty where there is none.
func onlySnakes(cmd *cobra.Command, op string) error {
	mine := []string{"bars", "stairs", "remainders"}
	both := []string{"op", "stage", "count", "seed", "json", "help"}
	for _, name := range mine {
		if op != opSnake && cmd.Flags().Changed(name) {
			return usageError{fmt.Errorf("--%s is for --op snake alone", name)}
		}
	}
	var wrong error
	cmd.Flags().Visit(func(f *pflag.Flag) {
		if op == opSnake && wrong == nil && !slices.Contains(mine, f.Name) && !slices.Contains(both, f.Name) {
			wrong = usageError{fmt.Errorf("--%s is not for snakes; they have --bars, --stairs and --remainders", f.Name)}
		}
	})
	return wrong
}

// choice reads the flags for snakes; every error is a mistake in typing.
func (f snakeFlags) choice(stage string) (snake.Choice, error) {
	c := snake.Choice{Bars: int(f.bars), Stairs: int(f.stairs)}
	if stage != "" {
		id := choose.StageID(stage)
		if !slices.Contains(snake.Stages(), id) {
			return c, fmt.Errorf("--stage: %w: %q; of snakes there are %s and %s", choose.ErrStage, stage, snake.First, snake.Second)
		}
		c.Cut, c.Ten = snake.CutIn(id), true
	}
	for part := range strings.SplitSeq(f.remainders, ",") {
		if f.remainders == "" {
			break
		}
		beads, word, _ := strings.Cut(strings.TrimSpace(part), "=")
		left, err := strconv.Atoi(beads)
		if err != nil || left < 1 || left > snake.MostLeft {
			return c, fmt.Errorf("--remainders: %w, not %q; write such as 3=yes,5=no", snake.ErrLeft, part)
		}
		if c.Left[left], err = choose.ParseWant(word); err != nil {
			return c, fmt.Errorf("--remainders: %d: %w", left, err)
		}
	}
	err := c.Valid()
	for flag, causes := range map[string][]error{"stairs": {snake.ErrStairs}, "bars": {snake.ErrBars, snake.ErrOwned}, "remainders": {snake.ErrTooMany}} {
		for _, cause := range causes {
			if errors.Is(err, cause) {
				return c, fmt.Errorf("--%s: %w", flag, err)
			}
		}
	}
	return c, err
}

// chosenSnakes is the JSON that `choose --op snake --json` promises to scripts.
type chosenSnakes struct {
	Fits     choose.Count `json:"fits"`
	Problems [][]int      `json:"problems"` // of each its bars, from the head
}

func chooseSnakes(out, tell io.Writer, f chooseFlags) error {
	if f.count < 1 || f.count > mostDrawn {
		return usageError{fmt.Errorf("--count %d: ask for 1 to %d problems", f.count, mostDrawn)}
	}
	c, err := f.snakes.choice(f.stage)
	if err != nil {
		return usageError{err}
	}
	seed, drawn, err := f.seedOf()
	if err != nil {
		return usageError{err}
	}
	space, err := c.Space()
	if err != nil {
		return usageError{err}
	}
	if drawn {
		fmt.Fprintf(tell, "seed %d\n", seed)
	}
	if space.Fits().IsZero() {
		fmt.Fprintln(tell, "There is no such snake.")
		for _, m := range c.Mends() {
			fmt.Fprintf(tell, "  %s: %s fit\n", say.SnakeMend(m), m.Fits)
		}
	}
	res := chosenSnakes{Fits: space.Fits(), Problems: [][]int{}}
	list := space.Draw(int(f.count), seed, nil)
	for _, s := range list {
		res.Problems = append(res.Problems, s.Bars)
	}
	if f.json {
		return json.NewEncoder(out).Encode(res)
	}
	var b strings.Builder
	fmt.Fprintf(&b, "%s fit\n", res.Fits)
	for _, s := range list {
		fmt.Fprintf(&b, "  %-28s %s\n", s, say.Words{}.Stage(ladder.Credit(s.Task(), "")))
	}
	_, err = io.WriteString(out, b.String())
	return err
}
