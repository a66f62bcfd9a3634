package number

import (
	"errors"
	"fmt"
	"slices"

	"vineswap/core/choose"
	"vineswap/core/place"
)

// Choice is which numbers of a stage are asked, shown as and answered as. What is empty is
// as the stage has it usually. Small numbers are chosen one by one, those of the places by
// their digits and zeros.
type Choice struct {
	Stage    choose.StageID
	Numbers  []place.Number
	Digits   []int
	Zeros    Zeros
	Swaps    []Swaps  // from the usual way of laying a number to another one
	Many     []int    // how many numbers are compared
	Differ   []Differ // where they differ first
	Shown    []Shown
	Answered []Answered
}

// Errors of a choice.
var (
	ErrStage    = errors.New("there is no such stage of tens")
	ErrChosen   = errors.New("the stage has no such number")
	ErrDigits   = errors.New("the stage has no numbers with so many digits")
	ErrZeros    = errors.New("the stage has its zeros as they are")
	ErrSwaps    = errors.New("the stage renames no numbers like this")
	ErrMany     = errors.New("the stage does not compare so many numbers")
	ErrDiffer   = errors.New("the stage has no numbers that differ there")
	ErrShown    = errors.New("the stage does not show numbers like this")
	ErrAnswered = errors.New("the stage does not have numbers answered like this")
)

// Options are what there is to choose from at a stage.
type Options struct {
	Numbers  []place.Number
	Digits   []int
	Zeros    []Zeros // one where they are as the stage has them
	Swaps    []Swaps
	Many     []int
	Differ   []Differ
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
	for _, d := range s.lengths {
		if limit == 0 || power(10, d) <= int(limit) {
			o.Digits = append(o.Digits, d)
		}
	}
	if s.lengths != nil {
		o.Zeros = []Zeros{NoZeros, AnyZeros, WithZeros}
		if s.compares() {
			o.Zeros = o.Zeros[:2]
			o.Many = []int{2, 3, 4, MostCompared}
			o.Differ = []Differ{ByLength}
			for _, d := range differSides[1:] {
				if p, _ := place.Parse(string(d)); len(o.Digits) > 0 && int(p) < slices.Max(o.Digits) {
					o.Differ = append(o.Differ, d)
				}
			}
		}
		if s.renames() {
			o.Swaps = swapsSides
		}
		if s.zeros != "" {
			o.Zeros = []Zeros{s.zeros}
		}
	}
	return o, nil
}

// Whole is all that a stage has: every number, shown and answered in every way.
func Whole(id choose.StageID) (Choice, error) {
	o, err := OptionsOf(id, 0)
	s, _ := stageOf(id)
	return Choice{id, o.Numbers, o.Digits, s.zeros.orAny(), o.Swaps, o.Many, o.Differ, o.Shown, o.Answered}, err
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
	if c.Digits == nil {
		c.Digits = o.Digits
	}
	if c.Zeros == "" {
		c.Zeros = s.zeros.orAny()
	}
	if c.Swaps == nil && s.renames() {
		c.Swaps = []Swaps{OneSwap, TwoSwaps}
	}
	if c.Many == nil && s.compares() {
		c.Many = []int{2}
	}
	if c.Differ == nil {
		c.Differ = o.Differ
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
	zeros := []Zeros{c.Zeros}
	if s.lengths == nil {
		c.Digits, c.Zeros, zeros = nil, "", nil
	}
	return c, errors.Join(allOf(c.Numbers, o.Numbers, ErrChosen), allOf(c.Digits, o.Digits, ErrDigits), allOf(zeros, o.Zeros, ErrZeros), allOf(c.Swaps, o.Swaps, ErrSwaps), allOf(c.Many, o.Many, ErrMany), allOf(c.Differ, o.Differ, ErrDiffer), allOf(c.Shown, o.Shown, ErrShown), allOf(c.Answered, o.Answered, ErrAnswered))
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

// in are the questions of the choice that are asked in one way; nil for none.
func (c Choice) in(w way) part {
	st, known := stageOf(c.Stage)
	if !known || !slices.Contains(c.Shown, w.shown) || !slices.Contains(c.Answered, w.answered) {
		return nil
	}
	from := c.of(st, w)
	switch all, ofLengths := from.(lengths); {
	case w.answered == Join:
		return joined{w, from}
	case ofLengths && w.renamed():
		return ofRenamings(w, all, c.Swaps)
	case ofLengths && w.several():
		return ofCompared(w, all, c.Many, c.Differ)
	}
	return single{w, from}
}

// of are the numbers of the choice that suit one way.
func (c Choice) of(st stage, w way) numbers {
	if st.lengths != nil {
		inWay := slices.DeleteFunc(slices.Clone(c.Digits), func(d int) bool { return !st.takes(w, d) })
		return lengths{inWay, c.Zeros, w.inParts()}
	}
	from := c.Numbers
	if w.shown == Sticks {
		from = []place.Number{sticks}
	}
	var list listed
	for _, n := range from {
		if w.takes(n) && Accepts(c.Stage, Asked{Number: n, Shown: w.shown, Answered: w.answered}) {
			list = append(list, n)
		}
	}
	return list
}

// Count is how many numbers are chosen.
func (c Choice) Count() int {
	if c.Digits != nil {
		return lengths{c.Digits, c.Zeros, false}.count()
	}
	return len(c.Numbers)
}

// Space is all questions of the choice.
func (c Choice) Space() Space {
	var s Space
	for _, w := range ways {
		if p := c.in(w); p != nil && p.count() > 0 {
			s.parts = append(s.parts, p)
		}
	}
	return s
}
