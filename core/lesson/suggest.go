package lesson

import (
	"cmp"
	"fmt"
	"slices"

	"vineswap/core/beads"
	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/diagnose"
	"vineswap/core/ladder"
	"vineswap/core/number"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/slip"
	"vineswap/core/task"
)

// Wanted is what the tasks of a lesson are drawn for.
type Wanted struct {
	ladder.Key
	With  book.Manner  // with which pieces a first task is worked, where they are left; else empty
	Range choose.Range // how far the numbers of the class go
	Owned beads.Owned  // what the class has of bars
	Had   []task.Task  // what its children had lately
	Lacks []Lack       // of each child
	Slips [][]slip.ID  // of its children who go back to material: the numbers are to bring them out
}

// Draw draws the task of a lesson at a stage in a manner; where material is left, two that
// swap in the same places, the first with pieces. What its children had lately comes again
// only where there is nothing else. The same seed draws the same. ErrNoMore where there is no
// such task.
func (w Wanted) Draw(seed uint64) ([]Item, error) {
	items, err := w.draw(seed)
	if err != nil && len(w.Had) > 0 {
		w.Had = nil
		items, err = w.draw(seed)
	}
	return items, err
}

func (w Wanted) draw(seed uint64) ([]Item, error) {
	first := w.Manner
	if w.With != "" {
		first = w.With
	}
	t, like, err := w.one(first, seed, nil)
	if err != nil {
		return nil, err
	}
	items := []Item{{Task: t, Stage: w.Stage, Manner: first}}
	if w.With == "" {
		return items, nil
	}
	w.Had = append(slices.Clone(w.Had), t)
	if t, _, err = w.one(w.Manner, seed, like); err != nil {
		return nil, err
	}
	return append(items, Item{Task: t, Stage: w.Stage, Manner: w.Manner}), nil
}

// one draws one task for a manner, like another one where that is given; it returns the
// task as what the next one is to be like.
func (w Wanted) one(m book.Manner, seed uint64, like task.Data) (task.Task, task.Data, error) {
	if beads.Has(w.Stage) {
		for _, t := range beads.Draw(w.Stage, w.Owned, w.Had, 1, seed) {
			return t, t.Data, nil
		}
		return task.Task{}, nil, ErrNoMore
	}
	if w.Stage.Kind() == "" {
		a, err := w.number(m, seed, like)
		return a.Task(), a, err
	}
	p, err := w.problem(seed, like)
	return p.Task(), p, err
}

func (w Wanted) problem(seed uint64, like task.Data) (problem.Problem, error) {
	kind := w.Stage.Kind()
	choice := choose.Choice{Kind: kind, Stage: w.Stage, Digits: w.Stage.Fit(nil), Laid: w.Stage.Laid()}
	first, twin := like.(problem.Problem)
	var had [][]place.Number
	for _, t := range w.Had {
		if p, of := problem.From(t); of && p.Kind == kind {
			had = append(had, p.Numbers)
		}
	}
	list, _, err := drawnSome(mostLooked, had, w.Lacks, seed, func(of Wish) (choose.Choice, bool) {
		asked := choice
		if at, _, is := of.at(); is { // numbers that have the place, and one more above it
			asked.Digits = w.Stage.Fit(slices.Repeat([]int{max(slices.Max(asked.Digits), int(at)+2)}, len(asked.Digits)))
		}
		if asked = asked.UpTo(w.Range); twin {
			asked = swappingLike(asked, first)
		}
		return of.into(asked)
	})
	if err != nil {
		return problem.Problem{}, err
	}
	numbers := w.bringing(kind, list)
	if twin {
		numbers = slices.MinFunc(list, func(a, b []place.Number) int { return cmp.Compare(alike(a, first.Numbers), alike(b, first.Numbers)) })
	}
	return problem.Of(kind, numbers...), nil
}

// bringing are the first numbers of some that bring out most of the slips: they give an answer
// there that is not the right one.
func (w Wanted) bringing(kind task.Kind, list [][]place.Number) []place.Number {
	best, most := list[0], -1
	for _, numbers := range list {
		t, n := problem.Of(kind, numbers...).Task(), 0
		for _, ids := range w.Slips {
			if diagnose.Shows(ids, t) {
				n++
			}
		}
		if n > most {
			best, most = numbers, n
		}
		if most == len(w.Slips) {
			break
		}
	}
	return best
}

// alike counts the digits that numbers have in common with others, place by place.
func alike(a, b []place.Number) (n int) {
	for i := range a {
		for p := place.Ones; p <= min(a[i].Top(), b[i].Top()); p++ {
			if a[i].Digit(p) == b[i].Digit(p) {
				n++
			}
		}
	}
	return n
}

// swappingLike asks a choice for problems of the same lengths that swap in the same places.
func swappingLike(c choose.Choice, first problem.Problem) choose.Choice {
	numbers := first.Numbers
	if first.Kind == problem.Sharing || first.Kind == problem.Trays {
		numbers = numbers[:1]
	}
	c.Digits = nil
	for _, n := range numbers {
		c.Digits = append(c.Digits, n.Length())
	}
	for _, col := range first.Columns() {
		if col.Place > c.Top() {
			continue
		}
		c.Swap[col.Place], c.Made[col.Place] = choose.No, choose.No
		if col.Swaps {
			c.Swap[col.Place] = choose.Yes
		}
		if col.Made {
			c.Made[col.Place] = choose.Yes
		}
	}
	return c.Fitted()
}

// handOf is what a child has in its hands in a manner, of a number that is asked alone.
var handOf = map[book.Manner]number.Hand{book.Pieces: number.InHand, book.Drawn: number.OnPaper, book.Column: number.InHead, book.Head: number.InHead}

// mostLooked is how many numbers are looked at for one that is like another.
const mostLooked = 60

func (w Wanted) number(m book.Manner, seed uint64, like task.Data) (number.Asked, error) {
	whole, err := number.Choice{Stage: w.Stage}.Fitted(w.Range.Limit())
	if err != nil {
		return number.Asked{}, fmt.Errorf("%w: %w", ErrNoMore, err)
	}
	options, err := number.OptionsOf(w.Stage, w.Range.Limit())
	if err != nil {
		return number.Asked{}, fmt.Errorf("%w: %w", ErrNoMore, err)
	}
	whole.Shown, whole.Answered = options.Shown, options.Answered
	var had []number.Asked
	for _, t := range w.Had {
		if a, of := number.From(t); of {
			had = append(had, a)
		}
	}
	space := whole.Space()
	if in := space.In(handOf[m]); in.Count() > 0 { // not every stage has questions for every hand
		space = in
	}
	list := space.Draw(mostLooked, seed, had)
	if len(list) == 0 {
		return number.Asked{}, ErrNoMore
	}
	first, is := like.(number.Asked)
	if !is {
		return list[0], nil
	}
	other := slices.DeleteFunc(slices.Clone(list), func(a number.Asked) bool { return a.Number == first.Number })
	near := slices.IndexFunc(other, func(a number.Asked) bool { return a.Number.Length() == first.Number.Length() })
	switch {
	case near >= 0:
		return other[near], nil
	case len(other) > 0:
		return other[0], nil
	}
	return list[0], nil
}
