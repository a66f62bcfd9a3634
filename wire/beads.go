package wire

import (
	"errors"
	"fmt"
	"strconv"

	"vineswap/core/choose"
	"vineswap/core/place"
	"vineswap/core/say"
	"vineswap/core/setting"
	"vineswap/core/snake"
	"vineswap/core/trace"
)

// Snake is a snake of bead bars with all that its picture needs.
type Snake struct {
	Bars   []int      `json:"bars"`
	Total  int        `json:"total"`
	Golden int        `json:"golden"`
	Last   int        `json:"last"`  // beads after the last ten
	Tens   []SnakeTen `json:"tens"`  // from the head
	Pairs  [][]int    `json:"pairs"` // of bars that make ten, by where they stand
	Rest   []int      `json:"rest"`  // those without a partner
	Says   string     `json:"says"`  // what it becomes: "5 golden tens and 7"
	Words  string     `json:"words"` // how many beads, in words
	Ask    string     `json:"ask"`   // what is asked
}

// SnakeTen is one ten of a snake.
type SnakeTen struct {
	From int    `json:"from"` // its bars, by where they stand
	To   int    `json:"to"`
	Old  int    `json:"old"`  // beads of the remainder bar that it begins with
	Left int    `json:"left"` // beads that it leaves of its last bar
	Says string `json:"says"`
}

// SnakeView is how a snake lies after a step, as core/snake has it.
type SnakeView struct {
	Golden  int  `json:"golden"`
	Beneath bool `json:"beneath"`
	In      bool `json:"in"`
	Old     int  `json:"old"`
	From    int  `json:"from"`
	To      int  `json:"to"`
	Aside   int  `json:"aside"`
	Counted int  `json:"counted"`
	Past    int  `json:"past"`
	Remain  int  `json:"remain"`
	Paired  int  `json:"paired"`
	Rest    bool `json:"rest"`
}

func snakeOf(w say.Words, s snake.Snake) *Snake {
	tens, _, _ := s.Runs()
	pairs, rest := s.Pairs()
	out := Snake{Bars: s.Bars, Total: s.Total(), Golden: s.Golden(), Last: s.Last(), Tens: []SnakeTen{}, Pairs: [][]int{}, Rest: append([]int{}, rest...), Says: say.SnakeEnd(s.Golden(), s.Last()), Words: w.Number(place.Number(s.Total())), Ask: say.HowManyBeads}
	for _, ten := range tens {
		out.Tens = append(out.Tens, SnakeTen{ten.From, ten.To, ten.Old, ten.Left, w.SnakeTen(s.Bars[ten.To-1], ten.Left)})
	}
	for _, p := range pairs {
		out.Pairs = append(out.Pairs, p[:])
	}
	return &out
}

// snakeAt is how the snake of a trace lies after a step; none where it is of something else.
func snakeAt(t trace.Trace, step int) *SnakeView {
	work, of := snake.Worked(t)
	if !of {
		return nil
	}
	v := SnakeView(work.Views[step])
	return &v
}

// ChooseSnake asks for snakes.
type ChooseSnake struct {
	Bars     int               `json:"bars" validate:"min=0,max=1000"`
	Left     map[string]string `json:"left" validate:"max=8"` // what a ten leaves of a bar, by the beads: no, any or yes
	Cut      string            `json:"cut"`                   // whether a ten cuts a bar
	End      string            `json:"end"`                   // whether beads follow the last ten
	Children []string          `json:"children,omitempty" validate:"max=40"`
	Days     int               `json:"days,omitempty" validate:"min=0,max=730"`
	Count    int               `json:"count" validate:"min=0,max=48"`
	Seed     string            `json:"seed"`
}

// ChosenSnakes is how many snakes fit, and some of them.
type ChosenSnakes struct {
	Fits       string      `json:"fits"` // counts may pass 2^53
	Never      string      `json:"never"`
	Once       string      `json:"once"`
	Either     string      `json:"either"`
	NeverWhy   string      `json:"neverWhy"` // why none is a first snake; empty where some are
	Most       int         `json:"most"`     // bars
	Stairs     int         `json:"stairs"`
	StairsSay  string      `json:"stairsSay"`
	Remainders bool        `json:"remainders"` // the class owns remainder bars
	Snakes     []Sum       `json:"snakes"`
	Mends      []SnakeMend `json:"mends"`
	Choice     ChooseSnake `json:"choice"`
	Seed       string      `json:"seed"`
}

// SnakeMend is a wish that could be given up.
type SnakeMend struct {
	Says   string      `json:"says"`
	Fits   string      `json:"fits"`
	Choice ChooseSnake `json:"choice"`
}

// SnakeChoiceOf reads a choice, planned from what the class owns; the error names a wish that
// is not understood.
func SnakeChoiceOf(class setting.Class, ask ChooseSnake) (snake.Choice, error) {
	owned := class.Beads()
	c := snake.Choice{Bars: ask.Bars, Stairs: owned.Stairs, Ten: true}
	var err, wrong error
	if c.Cut, wrong = wanted(ask.Cut); wrong != nil {
		err = errors.Join(err, wrong)
	}
	if c.End, wrong = wanted(ask.End); wrong != nil {
		err = errors.Join(err, wrong)
	}
	for text, want := range ask.Left {
		left, bad := strconv.Atoi(text)
		if bad != nil || left < 1 || left > snake.MostLeft {
			err = errors.Join(err, fmt.Errorf("%w, not %q", snake.ErrLeft, text))
			continue
		}
		if c.Left[left], wrong = wanted(want); wrong != nil {
			err = errors.Join(err, wrong)
		}
	}
	if !owned.Remainders {
		c.Cut = choose.No
	}
	return c, err
}

func wanted(text string) (choose.Want, error) {
	if text == "" {
		return choose.Any, nil
	}
	return choose.ParseWant(text)
}

// ChosenSnakesOf makes what was chosen.
func ChosenSnakesOf(class setting.Class, c snake.Choice, ask ChooseSnake, others []snake.Snake, seed uint64) (ChosenSnakes, error) {
	space, err := c.Space()
	if err != nil {
		return ChosenSnakes{}, err
	}
	owned := class.Beads()
	out := ChosenSnakes{
		Fits: space.Fits().String(), Most: min(snake.MostBars, 9*owned.Stairs), Stairs: owned.Stairs, StairsSay: say.SnakeStairs(owned.Stairs), Remainders: owned.Remainders,
		Snakes: []Sum{}, Mends: []SnakeMend{}, Choice: askOf(c, ask), Seed: fmt.Sprint(seed),
	}
	for cut, into := range map[choose.Want]*string{choose.No: &out.Never, choose.Yes: &out.Once, choose.Any: &out.Either} {
		other := c
		if other.Cut = cut; cut != choose.No && !owned.Remainders {
			*into = "0"
			continue
		}
		counted, err := other.Space()
		if err != nil {
			return out, err
		}
		*into = counted.Fits().String()
	}
	if left := c.Wanted(); left > 0 && out.Never == "0" {
		out.NeverWhy = say.SnakeNever(left)
	}
	for _, s := range space.Draw(ask.Count, seed, others) {
		made, err := TaskOf(class, s.Task(), "")
		if err != nil {
			return out, err
		}
		out.Snakes = append(out.Snakes, made)
	}
	if space.Fits().IsZero() {
		for _, m := range c.Mends() {
			other := c
			m.Into(&other)
			out.Mends = append(out.Mends, SnakeMend{say.SnakeMend(m), m.Fits.String(), askOf(other, ask)})
		}
	}
	return out, nil
}

// askOf writes a choice as it is asked for.
func askOf(c snake.Choice, ask ChooseSnake) ChooseSnake {
	out := ChooseSnake{Bars: c.Bars, Left: map[string]string{}, Cut: c.Cut.String(), End: c.End.String(), Count: ask.Count}
	for left, want := range c.Left {
		if want != choose.Any {
			out.Left[fmt.Sprint(left)] = want.String()
		}
	}
	return out
}
