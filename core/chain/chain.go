// Package chain has the chains of equal bead bars: they are counted by steps, a tag at each
// bar's end; as many bars as a bar has beads fold into a square, as many squares stack into a
// cube. The other way about, it is asked how many bars are in a number.
package chain

import (
	"errors"
	"fmt"
	"regexp"
	"slices"
	"strconv"
	"strings"

	"vineswap/core/choose"
	"vineswap/core/place"
	"vineswap/core/slip"
	"vineswap/core/task"
)

// Kind is the kind of task.
const Kind task.Kind = "chain"

// Stage is the stage of chains.
const Stage choose.StageID = "sharing/chains"

// LongestBar is how many beads the bars of a chain have at most; of squares there is the one of
// a hundred.
const (
	LongestBar = 10
	hundred    = 100
)

// Asks is what is asked of a chain.
type Asks string

// What is asked.
const (
	Count   Asks = "count"    // by steps to the end
	HowMany Asks = "how-many" // bars are in a number
)

// Chain is equal bars in a row.
type Chain struct {
	Beads int  `json:"beads"`           // of each bar, 1 to LongestBar; 100 for squares of a hundred
	Bars  int  `json:"bars"`            // how many
	From  int  `json:"from,omitempty"`  // bars that are not counted again: it is counted from their tag
	Fives bool `json:"fives,omitempty"` // along a bar by five and then by ones
	Asks  Asks `json:"asks"`
}

// Errors of a chain.
var (
	ErrBeads = errors.New("there is no such chain")
	ErrBars  = errors.New("a chain has not so many bars")
	ErrFrom  = errors.New("there is no such tag on the chain")
	ErrAsks  = errors.New("this is not asked of a chain")
)

// Short is the chain that folds into a square, and Long the one of as many squares as make a
// cube.
func Short(beads int) Chain { return Chain{Beads: beads, Bars: beads, Asks: Count} }

// Long is the chain that makes a cube.
func Long(beads int) Chain { return Chain{Beads: beads, Bars: beads * beads, Asks: Count} }

// In asks how many bars are in a number of them.
func In(beads, bars int) Chain { return Chain{Beads: beads, Bars: bars, Asks: HowMany} }

// Task is the chain as a task.
func (c Chain) Task() task.Task { return task.Task{Kind: Kind, Data: c} }

// From is the chain of a task; false for another kind.
func From(t task.Task) (Chain, bool) {
	c, of := t.Data.(Chain)
	return c, of
}

// Total is how many beads there are.
func (c Chain) Total() int { return c.Beads * c.Bars }

// Folds tells whether the bars make a square, and Stacks whether they make a cube.
func (c Chain) Folds() bool { return c.Asks == Count && c.Bars == c.Beads && c.Beads > 1 }

// Stacks tells whether the bars make squares, and these a cube.
func (c Chain) Stacks() bool { return c.Asks == Count && c.Beads > 1 && c.Bars == c.Beads*c.Beads }

// Valid tells why the chain cannot be laid, with the nearest that can; nil when it can.
func (c Chain) Valid() error {
	ofHundreds := c.Asks == HowMany && c.Beads == hundred
	long := c.Asks == Count && c.Bars == c.Beads*c.Beads
	switch {
	case c.Asks != Count && c.Asks != HowMany:
		return fmt.Errorf("%w: %q", ErrAsks, c.Asks)
	case (c.Beads < 1 || c.Beads > LongestBar) && !ofHundreds:
		return fmt.Errorf("%w: bars of %d; the nearest is of %d, since there are chains of 1 to 10", ErrBeads, c.Beads, min(max(c.Beads, 1), LongestBar))
	case c.Bars < 1 || c.Bars > LongestBar && !long:
		return fmt.Errorf("%w: %d; it has 1 to 10, or the %d of the long chain", ErrBars, c.Bars, c.Beads*c.Beads)
	case c.From < 0 || c.From >= c.Bars || c.Asks == HowMany && c.From > 0:
		return fmt.Errorf("%w: the one of %d", ErrFrom, c.From*c.Beads)
	}
	return nil
}

// String writes the chain as it is typed: "chain 7", "chain 7 to 28 from 14 by fives", "4s in 28".
func (c Chain) String() string {
	if c.Asks == HowMany {
		return fmt.Sprintf("%ds in %d", c.Beads, c.Total())
	}
	text := fmt.Sprintf("chain %d", c.Beads)
	if c.Bars != c.Beads {
		text += fmt.Sprintf(" to %d", c.Total())
	}
	if c.From > 0 {
		text += fmt.Sprintf(" from %d", c.From*c.Beads)
	}
	if c.Fives {
		text += " by fives"
	}
	return text
}

var (
	chains = regexp.MustCompile(`^(?:chain (?:of )?)(\d{1,4})( long)?(?: to (\d{1,5}))?(?: from (\d{1,5}))?( by fives)?$`)
	inside = regexp.MustCompile(`^(\d{1,4}|ten|hundred)s in ([\d,]{1,7})$`)
)

// Parse reads what String writes; also "chain 7 long", "tens in 100".
func Parse(text string) (Chain, error) {
	text = strings.Join(strings.Fields(strings.ToLower(text)), " ")
	if m := inside.FindStringSubmatch(text); m != nil {
		beads := map[string]int{"ten": 10, "hundred": hundred}[m[1]]
		if beads == 0 {
			beads, _ = strconv.Atoi(m[1])
		}
		total, _ := strconv.Atoi(strings.ReplaceAll(m[2], ",", ""))
		return divided(Chain{Beads: beads, Asks: HowMany}, total, 0)
	}
	m := chains.FindStringSubmatch(text)
	if m == nil {
		return Chain{}, task.ErrForm
	}
	beads, _ := strconv.Atoi(m[1])
	c := Short(beads)
	if c.Fives = m[5] != ""; m[2] != "" {
		c.Bars = beads * beads
	}
	total, from := c.Total(), 0
	if m[3] != "" {
		total, _ = strconv.Atoi(m[3])
	}
	if m[4] != "" {
		from, _ = strconv.Atoi(m[4])
	}
	return divided(c, total, from)
}

// divided is the chain of so many beads in all, counted from a tag; both must be at a bar's end.
func divided(c Chain, total, from int) (Chain, error) {
	if c.Beads < 1 {
		return c, c.Valid()
	}
	if total%c.Beads != 0 || from%c.Beads != 0 {
		wrong := total
		if total%c.Beads == 0 {
			wrong = from
		}
		return c, fmt.Errorf("%w: no bar of %d ends at %d; the nearest ends at %d", ErrBars, c.Beads, wrong, max(1, (wrong+c.Beads/2)/c.Beads)*c.Beads)
	}
	c.Bars, c.From = total/c.Beads, from/c.Beads
	return c, c.Valid()
}

func init() {
	task.Register(Kind, task.RulesOf(2, Parse)) // version 1 of any kind has its data beside the kind
}

// Right is how many beads, or how many bars.
func (c Chain) Right() task.Answer {
	if c.Asks == HowMany {
		return task.Answer{place.Number(c.Bars)}
	}
	return task.Answer{place.Number(c.Total())}
}

// Write writes the number.
func (c Chain) Write(a task.Answer) string { return a[0].String() }

// Read reads a number.
func (c Chain) Read(given string) (task.Answer, bool) {
	n, read := task.ReadNumber(given)
	return task.Answer{n}, read
}

// Shows is nothing in particular: every chain is counted by its own steps.
func (c Chain) Shows() []task.Skill { return nil }

// Wrong is what a bar too few or too many gives.
func (c Chain) Wrong() []task.Wrong {
	step := place.Number(c.Beads)
	if c.Asks == HowMany {
		step = 1
	}
	right := c.Right()[0]
	list := []task.Wrong{{Slip: slip.OneOff, Answer: task.Answer{right + step}}}
	if right > step {
		list = append([]task.Wrong{{Slip: slip.OneOff, Answer: task.Answer{right - step}}}, list...)
	}
	return list
}

// Largest is how many beads there are.
func (c Chain) Largest() place.Number { return place.Number(c.Total()) }

// Lengths are how long chains can be asked for.
type Lengths string

// The lengths: as many bars as a bar has beads, or their square.
const (
	ToSquare Lengths = "square"
	ToCube   Lengths = "cube"
)

// Choice is which chains are wanted: of each row one or more.
type Choice struct {
	Beads   []int
	Asks    []Asks
	Lengths []Lengths // of those that are counted
	Tag     bool      // they are counted from a tag of the chain, not from zero
	Fives   bool      // along a bar by five and then by ones, where it has more than five beads
	Most    int       // no larger number; 0 for any
}

// All are the chains of a choice, in order.
func (c Choice) All() []Chain {
	var list []Chain
	add := func(one Chain) {
		if one.Valid() == nil && (c.Most == 0 || one.Total() <= c.Most) {
			list = append(list, one)
		}
	}
	for _, beads := range c.Beads {
		if slices.Contains(c.Asks, Count) && beads <= LongestBar {
			for _, length := range c.Lengths {
				one := Short(beads)
				if length == ToCube {
					one = Long(beads)
				}
				if length == ToCube && beads == 1 { // the same as the short one
					continue
				}
				one.Fives = c.Fives && beads > 5
				if !c.Tag {
					add(one)
				}
				for from := 1; c.Tag && from < min(one.Bars, LongestBar); from++ {
					one.From = from
					add(one)
				}
			}
		}
		if slices.Contains(c.Asks, HowMany) {
			for bars := 2; bars <= LongestBar; bars++ {
				add(In(beads, bars))
			}
		}
	}
	return list
}

// Accepts tells whether a chain is one of its stage.
func Accepts(c Chain) bool { return c.Valid() == nil && c.Bars > 1 && c.Beads > 1 }
