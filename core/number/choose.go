package number

import (
	"errors"
	"fmt"
	"math/rand/v2"
	"slices"

	"vineswap/core/choose"
	"vineswap/core/place"
)

// Choice is which numbers of a stage are asked, shown as and answered as. What is empty is
// as the stage has it usually.
type Choice struct {
	Stage    choose.StageID
	Numbers  []place.Number
	Shown    []Shown
	Answered []Answered
}

// Errors of a choice.
var (
	ErrStage    = errors.New("there is no such stage of tens")
	ErrChosen   = errors.New("the stage has no such number")
	ErrShown    = errors.New("the stage does not show numbers like this")
	ErrAnswered = errors.New("the stage does not have numbers answered like this")
)

// Options are what there is to choose from at a stage.
type Options struct {
	Numbers  []place.Number
	Shown    []Shown
	Answered []Answered
}

// Options returns what there is to choose from, below a limit; 0 is none.
func OptionsOf(id choose.StageID, limit place.Number) (Options, error) {
	s, known := stageOf(id)
	if !known {
		return Options{}, fmt.Errorf("%w: %q", ErrStage, id)
	}
	o := Options{Shown: slices.Clone(s.shown), Answered: slices.Clone(s.answered)}
	for _, n := range s.numbers {
		if limit == 0 || n <= limit {
			o.Numbers = append(o.Numbers, n)
		}
	}
	return o, nil
}

// Fitted is the choice with the usual side of what is left open; the error names what is
// none of the stage's.
func (c Choice) Fitted(limit place.Number) (Choice, error) {
	o, err := OptionsOf(c.Stage, limit)
	if err != nil {
		return c, err
	}
	s, _ := stageOf(c.Stage)
	if c.Numbers == nil {
		c.Numbers = o.Numbers
	}
	if c.Shown == nil {
		for _, w := range s.usual {
			c.Shown = appendNew(c.Shown, w.shown)
		}
	}
	if c.Answered == nil {
		for _, w := range s.usual {
			c.Answered = appendNew(c.Answered, w.answered)
		}
	}
	return c, errors.Join(allOf(c.Numbers, o.Numbers, ErrChosen), allOf(c.Shown, o.Shown, ErrShown), allOf(c.Answered, o.Answered, ErrAnswered))
}

func appendNew[T comparable](list []T, x T) []T {
	if slices.Contains(list, x) {
		return list
	}
	return append(list, x)
}

func allOf[T comparable](some, all []T, err error) error {
	for _, x := range some {
		if !slices.Contains(all, x) {
			return fmt.Errorf("%w: %v", err, x)
		}
	}
	return nil
}

// Way is one way of showing with one of answering, and how many of the chosen numbers
// suit it.
type Way struct {
	Shown    Shown
	Answered Answered
	Numbers  int
}

// Ways are the ways of the choice that at least one of its numbers suits.
func (c Choice) Ways() []Way {
	var list []Way
	for _, w := range ways {
		if n := len(c.of(w)); n > 0 {
			list = append(list, Way{w.shown, w.answered, n})
		}
	}
	return list
}

// of are the questions of the choice in one way.
func (c Choice) of(w way) []Asked {
	if !slices.Contains(c.Shown, w.shown) || !slices.Contains(c.Answered, w.answered) {
		return nil
	}
	numbers := c.Numbers
	if w.shown == Sticks {
		numbers = []place.Number{sticks}
	}
	var list []Asked
	for _, n := range numbers {
		if a := (Asked{Number: n, Shown: w.shown, Answered: w.answered}); w.takes(n) && Accepts(c.Stage, a) {
			list = append(list, a)
		}
	}
	return list
}

// All are all questions of the choice, each once.
func (c Choice) All() []Asked {
	var list []Asked
	for _, w := range ways {
		list = append(list, c.of(w)...)
	}
	return list
}

// Except are those of some questions that are not among others, whatever their seed.
func Except(some, others []Asked) []Asked {
	return slices.DeleteFunc(slices.Clone(some), func(a Asked) bool {
		return slices.ContainsFunc(others, func(b Asked) bool { return a.same(b) })
	})
}

// same tells whether the same is asked: things may lie scattered in another way.
func (a Asked) same(b Asked) bool {
	a.Seed, b.Seed = 0, 0
	return a == b
}

// DrawFrom draws up to so many of some questions, each as likely as any other and none twice,
// by a seed. Scattered things get a layout of their own.
func DrawFrom(some []Asked, count int, seed uint64) []Asked {
	rng := rand.New(rand.NewPCG(seed, uint64(len(some))))
	list := slices.Clone(some)
	rng.Shuffle(len(list), func(i, j int) { list[i], list[j] = list[j], list[i] })
	list = list[:min(count, len(list))]
	for i := range list {
		if list[i].scattered() {
			list[i].Seed = 1 + rng.Uint32N(9_999)
		}
	}
	return list
}

// scattered tells whether things lie as a seed says.
func (a Asked) scattered() bool { return a.Shown == Crowd || a.Shown == Handful }
