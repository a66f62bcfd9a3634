// Package snake has the snakes of bead bars: a chain of coloured bars that is counted from
// its head, ten for ten, and becomes golden. It plans them within the stairs that a class
// owns, counts and draws them, and works them step by step.
package snake

import (
	"errors"
	"fmt"
	"strconv"
	"strings"

	"vineswap/core/choose"
	"vineswap/core/piece"
	"vineswap/core/place"
	"vineswap/core/slip"
	"vineswap/core/task"
)

// Kind is the kind of task.
const Kind task.Kind = "snake"

// The stages of snakes.
const (
	First  choose.StageID = "joining/first-snake"  // every ten ends at a bar's end
	Second choose.StageID = "joining/second-snake" // at least one ten cuts a bar
)

// Cut is whether a ten cuts a bar at a stage: never at the first.
func Cut(id choose.StageID) choose.Want {
	if id == First {
		return choose.No
	}
	return choose.Yes
}

// StageFor is the stage that snakes are chosen for by what is wished of their cuts.
func StageFor(cut choose.Want) choose.StageID {
	if cut == choose.No {
		return First
	}
	return Second
}

// Stages returns the stages in teaching order.
func Stages() []choose.StageID { return []choose.StageID{First, Second} }

// CutIn is whether a ten cuts a bar at a stage.
func CutIn(id choose.StageID) choose.Want {
	switch id {
	case First:
		return choose.No
	case Second:
		return choose.Yes
	}
	return choose.Any
}

// Accepts tells whether a snake is one of a stage.
func Accepts(id choose.StageID, s Snake) bool {
	switch {
	case s.Valid() != nil || s.Golden() == 0:
		return false
	case s.Cuts() > 0:
		return id == Second
	}
	return id == First
}

// MostBars is how many bars a snake has at most.
const MostBars = 39

// Ten is how many beads a golden bar has.
const Ten = 10

// Errors of a snake.
var (
	ErrBar  = errors.New("there is no such bar")
	ErrBars = errors.New("a snake has 1 to 39 bars")
)

// Snake is a chain of bars of one to nine beads, from its head.
type Snake struct {
	Bars []int `json:"bars"`
}

// Of is a snake of these bars.
func Of(bars ...int) Snake { return Snake{bars} }

// Task is the snake as a task.
func (s Snake) Task() task.Task { return task.Task{Kind: Kind, Data: s} }

// From is the snake of a task; false for another kind.
func From(t task.Task) (Snake, bool) {
	s, of := t.Data.(Snake)
	return s, of
}

// Valid tells why the snake cannot be laid; nil when it can.
func (s Snake) Valid() error {
	if len(s.Bars) == 0 || len(s.Bars) > MostBars {
		return fmt.Errorf("%w; this one has %d", ErrBars, len(s.Bars))
	}
	for _, beads := range s.Bars {
		if beads < 1 || beads > piece.LongestBar {
			return fmt.Errorf("%w: %d; the nearest is %d, since a stair has the bars of 1 to 9", ErrBar, beads, min(max(beads, 1), piece.LongestBar))
		}
	}
	return nil
}

// String writes the bars as they are typed: "8,5,9,4".
func (s Snake) String() string {
	words := make([]string, len(s.Bars))
	for i, beads := range s.Bars {
		words[i] = strconv.Itoa(beads)
	}
	return strings.Join(words, ",")
}

// Parse reads what String writes, with spaces and the word "snake" before it or not. What
// has not this form gives task.ErrForm, another mistake an error that names the bar.
func Parse(text string) (Snake, error) {
	rest, named := strings.CutPrefix(strings.ToLower(strings.TrimSpace(text)), "snake")
	if !named && !strings.Contains(rest, ",") && strings.TrimLeft(rest, "0123456789") != "" || strings.TrimSpace(rest) == "" {
		return Snake{}, task.ErrForm
	}
	var s Snake
	for part := range strings.SplitSeq(rest, ",") {
		beads, err := strconv.Atoi(strings.TrimSpace(part))
		if err != nil && !named {
			return Snake{}, task.ErrForm
		}
		if err != nil {
			return Snake{}, fmt.Errorf("%w: %q; write the bars with commas, such as 8,5,9,4", ErrBar, strings.TrimSpace(part))
		}
		s.Bars = append(s.Bars, beads)
	}
	return s, s.Valid()
}

func init() {
	slip.Register(slip.GoldenBarForgotten, slip.RemainderMiscounted, slip.BarsNotGivenBack)
	task.Register(Kind, task.RulesOf(2, Parse)) // version 1 of any kind has its data beside the kind
}

// LaidFrom tells why the snake cannot be laid from so many stairs, and counted with remainder bars
// or without, with the nearest that can; nil when it can.
func (s Snake) LaidFrom(stairs int, remainders bool) error {
	if stairs < 1 {
		return fmt.Errorf("%w: a snake is laid from at least one stair", ErrStairs)
	}
	for beads := 1; beads <= piece.LongestBar; beads++ {
		if n := s.Count(beads); n > stairs {
			return fmt.Errorf("%w: %d bars of %d; your stairs have %d of them", ErrOwned, n, beads, stairs)
		}
	}
	if s.Cuts() > 0 && !remainders {
		return fmt.Errorf("%w: a ten cuts a bar; without remainder bars every ten ends at a bar's end", ErrOwned)
	}
	return nil
}

// Total is how many beads the snake has.
func (s Snake) Total() int {
	sum := 0
	for _, beads := range s.Bars {
		sum += beads
	}
	return sum
}

// Golden is how many golden bars it becomes.
func (s Snake) Golden() int { return s.Total() / Ten }

// Last is how many beads follow the last ten.
func (s Snake) Last() int { return s.Total() % Ten }

// Remainders are the beads that each ten leaves of the bar that it cuts, 0 where it ends at a
// bar's end; one for each golden bar.
func (s Snake) Remainders() []int {
	list := []int{}
	sum := 0
	for _, beads := range s.Bars {
		if sum += beads; sum >= Ten {
			sum -= Ten
			list = append(list, sum)
		}
	}
	return list
}

// Count is how many bars of a size it has.
func (s Snake) Count(beads int) (n int) {
	for _, b := range s.Bars {
		if b == beads {
			n++
		}
	}
	return n
}

// Cuts is how many tens end inside a bar.
func (s Snake) Cuts() int {
	n := 0
	for _, left := range s.Remainders() {
		if left > 0 {
			n++
		}
	}
	return n
}

// Right is how many beads there are.
func (s Snake) Right() task.Answer { return task.Answer{place.Number(s.Total())} }

// An answer has a second part where an adult saw a slip in the moves: which of seen it is,
// from 1. It is never right then, however many beads were counted in the end.

// seen are the slips that an adult can see in the moves, as they stand behind an answer.
var seen = []struct {
	slip slip.ID
	text string
}{{slip.GoldenBarForgotten, "golden bar forgotten"}, {slip.RemainderMiscounted, "remainder miscounted"}, {slip.BarsNotGivenBack, "bars not given back"}}

// Seen are the slips that can be seen in the moves at this snake, as they are written behind an
// answer: "57, golden bar forgotten".
func (s Snake) Seen() []string {
	list := []string{}
	for _, one := range seen {
		if s.shows(one.slip) {
			list = append(list, one.text)
		}
	}
	return list
}

// shows tells whether there is a moment at which the slip can be made.
func (s Snake) shows(id slip.ID) bool {
	if id == slip.RemainderMiscounted {
		return s.Cuts() > 0
	}
	return s.Golden() > 0
}

// Write writes the number of beads, or what was seen.
func (s Snake) Write(a task.Answer) string {
	if len(a) > 1 {
		return seen[a[1]-1].text
	}
	return a[0].String()
}

// Read reads a number of beads, alone or with what was seen behind a comma.
func (s Snake) Read(given string) (task.Answer, bool) {
	number, saw, has := strings.Cut(given, ",")
	if !has {
		n, read := task.ReadNumber(number)
		return task.Answer{n}, read
	}
	for i, one := range seen {
		if one.text == strings.TrimSpace(saw) && s.shows(one.slip) {
			return task.Answer{0, place.Number(i + 1)}, true
		}
	}
	return nil, false
}

// Cutting is the skill of going on from a ten that cuts a bar.
const Cutting task.Skill = "cut"

// Shows is whether a ten cuts a bar.
func (s Snake) Shows() []task.Skill {
	if s.Cuts() > 0 {
		return []task.Skill{Cutting}
	}
	return nil
}

// Wrong is what the usual slips give: a golden bar that was forgotten is a ten less, a remainder
// that was miscounted one less or more; and each of them as it is seen.
func (s Snake) Wrong() []task.Wrong {
	total := place.Number(s.Total())
	var list []task.Wrong
	if s.Golden() > 0 {
		list = append(list, task.Wrong{Slip: slip.GoldenBarForgotten, Answer: task.Answer{total - Ten}})
	}
	if s.Cuts() > 0 {
		list = append(list, task.Wrong{Slip: slip.RemainderMiscounted, Answer: task.Answer{total - 1}}, task.Wrong{Slip: slip.RemainderMiscounted, Answer: task.Answer{total + 1}})
	}
	for i, one := range seen {
		if s.shows(one.slip) {
			list = append(list, task.Wrong{Slip: one.slip, Answer: task.Answer{0, place.Number(i + 1)}})
		}
	}
	return list
}

// Largest is how many beads there are.
func (s Snake) Largest() place.Number { return place.Number(s.Total()) }
