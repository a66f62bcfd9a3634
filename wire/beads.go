package wire

import (
	"errors"
	"fmt"
	"slices"
	"strconv"

	"vineswap/core/beads"
	"vineswap/core/chain"
	"vineswap/core/choose"
	"vineswap/core/numberrods"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/say"
	"vineswap/core/setting"
	"vineswap/core/snake"
	"vineswap/core/task"
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
	Over   int        `json:"over"`  // beads of these
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
	for _, i := range rest {
		out.Over += s.Bars[i]
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
	Stage      string      `json:"stage"` // that they are chosen for
	Fits       string      `json:"fits"`  // counts may pass 2^53
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
		Stage: string(snake.StageFor(c.Cut)), Fits: space.Fits().String(), Most: min(snake.MostBars, 9*owned.Stairs), Stairs: owned.Stairs, StairsSay: say.SnakeStairs(owned.Stairs), Remainders: owned.Remainders,
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

// Chain is equal bars in a row, with all that their picture needs.
type Chain struct {
	Beads  int    `json:"beads"`
	Bars   int    `json:"bars"`
	From   int    `json:"from"` // bars that are not counted again
	Total  int    `json:"total"`
	Tags   []int  `json:"tags"`
	Asks   string `json:"asks"`   // count or how-many
	Folds  bool   `json:"folds"`  // into a square
	Stacks bool   `json:"stacks"` // into a cube
	Ask    string `json:"ask"`
	Name   string `json:"name"` // of its bars: "sevens"
}

// ChainView is how a chain lies after a step, as core/chain has it.
type ChainView struct {
	Tagged  int    `json:"tagged"`
	Along   int    `json:"along"`
	Folded  int    `json:"folded"`
	Squares int    `json:"squares"`
	Stacked bool   `json:"stacked"`
	Ringed  int    `json:"ringed"`
	Sum     string `json:"sum"` // as far as it is counted: "7 + 7 = 14"; empty for a long one
	Times   string `json:"times"`
}

func chainOf(c chain.Chain) *Chain {
	return &Chain{c.Beads, c.Bars, c.From, c.Total(), c.Tags(), string(c.Asks), c.Folds(), c.Stacks(), say.ChainAsk(c), say.BarsOf(c.Beads)}
}

func chainAt(t trace.Trace, step int) *ChainView {
	work, of := chain.Worked(t)
	if !of {
		return nil
	}
	v := work.Views[step]
	out := ChainView{Tagged: v.Tagged, Along: v.Along, Folded: v.Folded, Squares: v.Squares, Stacked: v.Stacked, Ringed: v.Ringed}
	if bars := max(v.Tagged, v.Ringed); bars > 0 {
		out.Sum, out.Times = work.Chain.Written(bars)
	}
	return &out
}

// Rods is a question with number rods.
type Rods struct {
	Asks   string `json:"asks"` // order, beside or missing
	Long   int    `json:"long"`
	First  int    `json:"first"`
	Second int    `json:"second"`
	Ask    string `json:"ask"`
}

func rodsOf(r numberrods.Rods) *Rods {
	return &Rods{string(r.Asks), r.Long, r.First, r.Second(), say.RodsAsk(r)}
}

// RodsView is which rods lie where after a step.
type RodsView struct {
	Stair int   `json:"stair"`
	Above []int `json:"above"`
	Under int   `json:"under"`
	Flush bool  `json:"flush"`
}

func rodsAt(t trace.Trace, step int) *RodsView {
	work, of := numberrods.Worked(t)
	if !of {
		return nil
	}
	v := RodsView(work.Views[step])
	return &v
}

// ChooseBars asks for chains or number rods; of each row what is wanted, and the usual where
// nothing is.
type ChooseBars struct {
	Kind     string              `json:"kind" validate:"required"`
	Wanted   map[string][]string `json:"wanted" validate:"max=8"`
	Children []string            `json:"children,omitempty" validate:"max=40"`
	Days     int                 `json:"days,omitempty" validate:"min=0,max=730"`
	Count    int                 `json:"count" validate:"min=0,max=48"`
	Seed     string              `json:"seed"`
}

// ChosenBars is how many fit, and some of them.
type ChosenBars struct {
	Fits     int        `json:"fits"`
	Left     int        `json:"left"` // of these, not laid lately
	Rows     []BarsRow  `json:"rows"`
	Problems []Sum      `json:"problems"`
	Choice   ChooseBars `json:"choice"`
	Seed     string     `json:"seed"`
}

// BarsRow is a row of what can be chosen.
type BarsRow struct {
	ID      string   `json:"id"`
	Name    string   `json:"name"`
	Options []Toggle `json:"options"`
	Single  bool     `json:"single"` // one of them at a time
}

// ErrBars is the error of a choice of bars that cannot be made; it names the row.
var ErrBars = errors.New("this cannot be chosen")

// barsFamily is what can be chosen of one kind of task.
type barsFamily struct {
	rows []BarsRow
	on   map[string][]string // the usual choice
	all  func(wanted map[string][]string, most int) []task.Task
}

func toggles[T any](list []T, name func(T) (id, says string)) []Toggle {
	var out []Toggle
	for _, x := range list {
		id, says := name(x)
		out = append(out, Toggle{ID: id, Name: says})
	}
	return out
}

func figure(n int) (id, says string) { return fmt.Sprint(n), fmt.Sprint(n) }

var barsFamilies = map[task.Kind]barsFamily{
	chain.Kind: {
		rows: []BarsRow{
			{ID: "beads", Name: "Bars of", Options: toggles([]int{1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 100}, figure)},
			{ID: "asks", Name: "Asked", Options: toggles([]chain.Asks{chain.Count, chain.HowMany}, func(a chain.Asks) (string, string) { return string(a), say.ChainAsks(a) })},
			{ID: "length", Name: "Length", Options: toggles([]chain.Lengths{chain.ToSquare, chain.ToCube}, func(l chain.Lengths) (string, string) { return string(l), say.ChainLength(l) })},
			{ID: "from", Name: "Counted from", Single: true, Options: []Toggle{{ID: "zero", Name: "0"}, {ID: "tag", Name: "a tag"}}},
			{ID: "along", Name: "Along a bar", Single: true, Options: []Toggle{{ID: "bars", Name: "whole bars"}, {ID: "fives", Name: "five, then ones"}}},
		},
		on: map[string][]string{"beads": {"2", "3", "4", "5", "6", "7", "8", "9", "10"}, "asks": {"count"}, "length": {"square"}, "from": {"zero"}, "along": {"bars"}},
		all: func(wanted map[string][]string, most int) (list []task.Task) {
			c := chain.Choice{Tag: slices.Contains(wanted["from"], "tag"), Fives: slices.Contains(wanted["along"], "fives"), Most: most}
			for _, n := range wanted["beads"] {
				beads, _ := strconv.Atoi(n)
				c.Beads = append(c.Beads, beads)
			}
			for _, a := range wanted["asks"] {
				c.Asks = append(c.Asks, chain.Asks(a))
			}
			for _, l := range wanted["length"] {
				c.Lengths = append(c.Lengths, chain.Lengths(l))
			}
			for _, one := range c.All() {
				list = append(list, one.Task())
			}
			return list
		},
	},
	numberrods.Kind: {
		rows: []BarsRow{
			{ID: "asks", Name: "Asked", Options: toggles(numberrods.AllAsks(), func(a numberrods.Asks) (string, string) { return string(a), say.RodsAsks(a) })},
			{ID: "long", Name: "The long one", Options: toggles([]int{3, 4, 5, 6, 7, 8, 9, 10}, figure)},
		},
		on: map[string][]string{"asks": {"beside"}, "long": {"5", "6", "7", "8", "9", "10"}},
		all: func(wanted map[string][]string, _ int) (list []task.Task) {
			var c numberrods.Choice
			for _, a := range wanted["asks"] {
				c.Asks = append(c.Asks, numberrods.Asks(a))
			}
			for _, n := range wanted["long"] {
				long, _ := strconv.Atoi(n)
				c.Long = append(c.Long, long)
			}
			for _, one := range c.All() {
				list = append(list, one.Task())
			}
			return list
		},
	},
}

// ChosenBarsOf makes what was chosen of chains or rods; the error names the row.
func ChosenBarsOf(class setting.Class, ask ChooseBars, had []task.Task, seed uint64) (ChosenBars, error) {
	family, known := barsFamilies[task.Kind(ask.Kind)]
	if !known {
		return ChosenBars{}, fmt.Errorf("%w: there is no kind %q", &FieldError{Field: "kind", Err: ErrBars}, ask.Kind)
	}
	out := ChosenBars{Rows: []BarsRow{}, Problems: []Sum{}, Seed: fmt.Sprint(seed), Choice: ChooseBars{Kind: ask.Kind, Wanted: map[string][]string{}, Count: ask.Count}}
	for _, row := range family.rows {
		wanted := ask.Wanted[row.ID]
		if len(wanted) == 0 {
			wanted = family.on[row.ID]
		}
		row.Options = slices.Clone(row.Options)
		for i := range row.Options {
			row.Options[i].On = slices.Contains(wanted, row.Options[i].ID)
		}
		for _, id := range wanted {
			if !slices.ContainsFunc(row.Options, func(t Toggle) bool { return t.ID == id }) {
				return out, fmt.Errorf("%w: %q", &FieldError{Field: row.ID, Err: ErrBars}, id)
			}
		}
		out.Rows, out.Choice.Wanted[row.ID] = append(out.Rows, row), wanted
	}
	all := family.all(out.Choice.Wanted, class.Beads().Most)
	left := beads.Some(all, had, len(all), seed)
	out.Fits, out.Left = len(all), len(left)
	for _, t := range left[:min(ask.Count, len(left))] {
		made, err := TaskOf(class, t, "")
		if err != nil {
			return out, err
		}
		out.Problems = append(out.Problems, made)
	}
	return out, nil
}

// asChain is the chain of equal trays that have no more than a bar each, as it is typed; empty for
// other problems.
func asChain(p problem.Problem) string {
	if p.Kind != problem.Trays || p.Numbers[0] > chain.LongestBar {
		return ""
	}
	c := chain.Chain{Beads: int(p.Numbers[0]), Bars: int(p.Numbers[1]), Asks: chain.Count}
	if c.Valid() != nil {
		return ""
	}
	return c.String()
}
