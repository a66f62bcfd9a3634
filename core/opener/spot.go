package opener

import (
	"encoding/json"
	"errors"
	"fmt"
	"math/rand/v2"
	"slices"
	"strings"

	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/slip"
	"vineswap/core/task"
)

// OfSpots is the kind of tasks in which a class finds a planted slip.
const OfSpots task.Kind = "spot"

// InSpot is how many worked examples stand beside one another.
const InSpot = 3

// noneIn is one in so many sets of examples in which no slip is planted.
const noneIn = 4

// tries is how often examples are drawn for a slip to be planted in.
const tries = 8

// Spot is worked examples in one of which a slip may be planted. They are drawn: nobody's own
// work is shown.
type Spot struct {
	Kind    task.Kind              `json:"kind"` // sums or differences
	Numbers [InSpot][]place.Number `json:"numbers"`
	Planted int                    `json:"planted"` // the example with the slip, from 1; 0 for none
	Slip    slip.ID                `json:"slip,omitempty"`
}

// Errors of examples that cannot be shown.
var (
	ErrSpot    = errors.New("three sums, or three differences, stand beside one another")
	ErrPlanted = errors.New("the slip changes nothing in this example")
)

func init() {
	task.Register(OfSpots, task.Rules{Version: 2, Read: func(_ int, data []byte) (task.Data, error) {
		var s Spot
		err := json.Unmarshal(data, &s)
		return s, err
	}, Parse: func(text string) (task.Data, error) {
		s, is := parseSpot(text)
		if !is {
			return nil, task.ErrForm
		}
		return s, s.Valid()
	}})
}

// SpotFrom returns the examples of a task; false for a task of another kind.
func SpotFrom(t task.Task) (s Spot, is bool) {
	s, is = t.Data.(Spot)
	return s, is
}

// plantable are the slips of written adding and taking that can be planted.
func plantable() []slip.ID { return append(slip.Of(slip.Add), slip.Of(slip.Take)...) }

// Plantable lists the slips that can be planted at a stage, by their ids.
func Plantable() []slip.ID {
	list := plantable()
	slices.Sort(list)
	return slices.Compact(list)
}

// Task is the examples as a task.
func (s Spot) Task() task.Task { return task.Task{Kind: OfSpots, Data: s} }

// Problem is an example, from 0.
func (s Spot) Problem(i int) problem.Problem { return problem.Of(s.Kind, s.Numbers[i]...) }

// Operation is that of the examples.
func (s Spot) Operation() slip.Operation {
	op, _, _ := s.Problem(0).InColumns()
	return op
}

// Written is an example as it stands on paper with the slip that is planted in it; without one
// as it is right.
func (s Spot) Written(i int) slip.Written {
	var with []slip.ID
	if i+1 == s.Planted {
		with = []slip.ID{s.Slip}
	}
	written, _ := slip.New(with...).Write(s.Operation(), s.Numbers[i])
	return written
}

// Valid tells why the examples cannot be shown; nil when they can.
func (s Spot) Valid() error {
	if s.Kind != problem.Sum && s.Kind != problem.Difference || s.Planted < 0 || s.Planted > InSpot {
		return ErrSpot
	}
	for i := range s.Numbers {
		if len(s.Numbers[i]) != 2 || s.Problem(i).Valid() != nil {
			return ErrSpot
		}
	}
	if s.Planted == 0 {
		return nil
	}
	at := s.Planted - 1
	if _, applies := s.Problem(at).Task().Slipped(s.Slip); !applies || !slices.Contains(plantable(), s.Slip) {
		return ErrPlanted
	}
	return nil
}

// String writes the examples as they are typed: "spot 47+25 36+27 58+16 2 drops-new-ten".
func (s Spot) String() string {
	text := "spot"
	for i := range s.Numbers {
		text += " " + strings.ReplaceAll(s.Problem(i).Task().String(), " ", "")
	}
	if s.Planted > 0 {
		text += fmt.Sprintf(" %d %s", s.Planted, s.Slip)
	}
	return text
}

func parseSpot(text string) (s Spot, is bool) {
	fields := strings.Fields(text)
	if len(fields) < 1+InSpot || fields[0] != "spot" {
		return s, false
	}
	for i := range InSpot {
		t, err := task.Parse(fields[1+i])
		p, of := problem.From(t)
		if err != nil || !of {
			return s, false
		}
		s.Kind, s.Numbers[i] = p.Kind, p.Numbers
	}
	if len(fields) == 3+InSpot {
		if _, err := fmt.Sscan(fields[1+InSpot], &s.Planted); err != nil {
			return s, false
		}
		s.Slip = slip.ID(fields[2+InSpot])
	}
	return s, true
}

// Right is which example has the slip, from 1; 0 for none.
func (s Spot) Right() task.Answer { return task.Answer{place.Number(s.Planted)} }

// letters are what the examples are called.
const letters = "abc"

// Write writes the letter of an example, or "none".
func (s Spot) Write(a task.Answer) string {
	if len(a) == 1 && a[0] >= 1 && a[0] <= InSpot {
		return letters[a[0]-1 : a[0]]
	}
	return "none"
}

// Read reads what Write writes.
func (s Spot) Read(given string) (task.Answer, bool) {
	text := strings.ToLower(strings.TrimSpace(given))
	if text == "none" || text == "0" {
		return task.Answer{0}, true
	}
	i := strings.Index(letters, text)
	return task.Answer{place.Number(i + 1)}, len(text) == 1 && i >= 0
}

// Shows lists no skill: to find a slip is none of the ladder's stages.
func (s Spot) Shows() []task.Skill { return []task.Skill{} }

// Wrong lists no slip of its own.
func (s Spot) Wrong() []task.Wrong { return nil }

// Largest is the largest number of the examples.
func (s Spot) Largest() place.Number {
	largest := place.Number(0)
	for i := range s.Numbers {
		largest = max(largest, s.Problem(i).Task().Largest())
	}
	return largest
}

// spots draws sets of examples. The first has its slip; of those after it, one in four has none,
// so that the class looks at all of them.
func (o Opener) spots(rng *rand.Rand) ([]Drawn, error) {
	var list []Drawn
	for nth := range o.Count {
		var s Spot
		none := nth > 0 && rng.IntN(noneIn) == 0
		for range tries {
			problems, err := o.problems(InSpot, rng.Uint64())
			if err != nil {
				return nil, err
			}
			s = Spot{Kind: problems[0].Kind}
			for i, p := range problems {
				s.Numbers[i] = p.Numbers
			}
			at, id, found := o.plant(problems, rng)
			if found && !none {
				s.Planted, s.Slip = at+1, id
			}
			if found || none {
				break
			}
		}
		list = append(list, Drawn{Task: s.Task()})
	}
	return list, nil
}

// plant finds an example and a slip that changes what comes out there.
func (o Opener) plant(problems []problem.Problem, rng *rand.Rand) (at int, id slip.ID, found bool) {
	type spot struct {
		at int
		id slip.ID
	}
	var all []spot
	for i, p := range problems {
		op, numbers, _ := p.InColumns()
		for _, w := range p.Task().Wrong() {
			_, writes := slip.New(w.Slip).Write(op, numbers)
			if writes && slices.Contains(plantable(), w.Slip) && (len(o.Slips) == 0 || slices.Contains(o.Slips, w.Slip)) {
				all = append(all, spot{i, w.Slip})
			}
		}
	}
	if len(all) == 0 {
		return 0, "", false
	}
	one := all[rng.IntN(len(all))]
	return one.at, one.id, true
}
