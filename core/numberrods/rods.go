// Package numberrods has the number rods of one to ten parts: laid in order, two of them end to
// end beside a third, and what is missing beside a longer one.
package numberrods

import (
	"errors"
	"fmt"
	"regexp"
	"slices"
	"strconv"
	"strings"

	"vineswap/core/choose"
	"vineswap/core/number"
	"vineswap/core/piece"
	"vineswap/core/place"
	"vineswap/core/slip"
	"vineswap/core/task"
	"vineswap/core/trace"
)

// Kind is the kind of task.
const Kind task.Kind = "number-rods"

// Scene is how number rods lie.
const Scene trace.Scene = "number-rods"

// Asks is what is asked of the rods.
type Asks string

// What is asked.
const (
	Order   Asks = "order"   // all of them are laid in order
	Beside  Asks = "beside"  // which one is as long as two together
	Missing Asks = "missing" // which one is missing beside a longer one
)

// AllAsks returns what can be asked, in teaching order.
func AllAsks() []Asks { return []Asks{Order, Beside, Missing} }

// Rods is one question.
type Rods struct {
	Asks  Asks `json:"asks"`
	Long  int  `json:"long"`            // parts of the longest rod that lies there
	First int  `json:"first,omitempty"` // of the rod that lies beside it first
}

// Errors of the rods.
var (
	ErrRod  = errors.New("there is no such number rod")
	ErrAsks = errors.New("this is not asked of number rods")
)

// Task is the question as a task.
func (r Rods) Task() task.Task { return task.Task{Kind: Kind, Data: r} }

// From is the question of a task; false for another kind.
func From(t task.Task) (Rods, bool) {
	r, of := t.Data.(Rods)
	return r, of
}

// Second is the rod that makes the first as long as the long one.
func (r Rods) Second() int { return r.Long - r.First }

// Valid tells why this cannot be laid, with the nearest that can; nil when it can.
func (r Rods) Valid() error {
	least := 2
	if r.Asks == Order {
		least = 1
	}
	switch {
	case !slices.Contains(AllAsks(), r.Asks):
		return fmt.Errorf("%w: %q", ErrAsks, r.Asks)
	case r.Long < least || r.Long > piece.LongestRod:
		return fmt.Errorf("%w: %d; the nearest is %d, since there are rods of 1 to 10", ErrRod, r.Long, min(max(r.Long, least), piece.LongestRod))
	case r.Asks == Order && r.First != 0, r.Asks != Order && (r.First < 1 || r.First >= r.Long):
		return fmt.Errorf("%w: a rod of %d beside one of %d", ErrRod, r.First, r.Long)
	}
	return nil
}

// String writes the question as it is typed: "rods to 10", "rods 5 and 4", "rods 5 to 9".
func (r Rods) String() string {
	switch r.Asks {
	case Beside:
		return fmt.Sprintf("rods %d and %d", r.First, r.Second())
	case Missing:
		return fmt.Sprintf("rods %d to %d", r.First, r.Long)
	}
	return fmt.Sprintf("rods to %d", r.Long)
}

var (
	order    = regexp.MustCompile(`^rods(?: to (\d{1,3}))?$`)
	together = regexp.MustCompile(`^rods (\d{1,3}) (?:and|\+) (\d{1,3})$`)
	missing  = regexp.MustCompile(`^rods (\d{1,3}) to (\d{1,3})$`)
)

// Parse reads what String writes.
func Parse(text string) (Rods, error) {
	text = strings.Join(strings.Fields(strings.ToLower(text)), " ")
	var r Rods
	number := func(s string) int { n, _ := strconv.Atoi(s); return n }
	if m := order.FindStringSubmatch(text); m != nil {
		if r = (Rods{Asks: Order, Long: piece.LongestRod}); m[1] != "" {
			r.Long = number(m[1])
		}
		return r, r.Valid()
	}
	if m := together.FindStringSubmatch(text); m != nil {
		r = Rods{Beside, number(m[1]) + number(m[2]), number(m[1])}
		return r, r.Valid()
	}
	if m := missing.FindStringSubmatch(text); m != nil {
		r = Rods{Missing, number(m[2]), number(m[1])}
		return r, r.Valid()
	}
	return r, task.ErrForm
}

func init() {
	task.Register(Kind, task.RulesOf(2, Parse)) // version 1 of any kind has its data beside the kind
}

// Right is the rod that is asked for; of an order how many rods there are.
func (r Rods) Right() task.Answer {
	if r.Asks == Missing {
		return task.Answer{place.Number(r.Second())}
	}
	return task.Answer{place.Number(r.Long)}
}

// Write writes the number.
func (r Rods) Write(a task.Answer) string { return a[0].String() }

// Read reads a number.
func (r Rods) Read(given string) (task.Answer, bool) {
	n, read := task.ReadNumber(given)
	return task.Answer{n}, read
}

// Shows is nothing in particular.
func (r Rods) Shows() []task.Skill { return nil }

// Wrong is what one part too few or too many gives.
func (r Rods) Wrong() []task.Wrong {
	right := r.Right()[0]
	list := []task.Wrong{{Slip: slip.OneOff, Answer: task.Answer{right + 1}}}
	if right > 1 {
		list = append([]task.Wrong{{Slip: slip.OneOff, Answer: task.Answer{right - 1}}}, list...)
	}
	return list
}

// Largest is the longest rod.
func (r Rods) Largest() place.Number { return place.Number(r.Long) }

// StageOf is the stage that a question counts for: the order one by one, what makes ten at a
// full ten, and two beside a third within ten.
func StageOf(r Rods) choose.StageID {
	switch {
	case r.Valid() != nil:
		return ""
	case r.Asks == Order:
		return number.OneByOne
	case r.Asks == Missing && r.Long == piece.LongestRod:
		return number.FullTen
	}
	return choose.WithinTen
}

// Choice is which questions are wanted.
type Choice struct {
	Asks []Asks
	Long []int
}

// All are the questions of a choice, in order.
func (c Choice) All() []Rods {
	var list []Rods
	for _, asks := range AllAsks() {
		if !slices.Contains(c.Asks, asks) {
			continue
		}
		for _, long := range c.Long {
			for first := range long {
				if r := (Rods{asks, long, first}); r.Valid() == nil {
					list = append(list, r)
				}
			}
		}
	}
	return list
}
