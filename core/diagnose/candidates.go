package diagnose

import (
	"math/rand/v2"
	"slices"
	"strings"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/number"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/task"
)

// looked is how many tasks are looked at for the one that tells best.
const looked = 300

// Suiting draws tasks that suit a stage, with numbers as far as a range: some of each length,
// half of them with a 0 where the stage has any. The same seed draws the same.
func Suiting(stage choose.StageID, r choose.Range, seed uint64) []task.Task {
	if stage.Kind() == "" {
		return numbersOf(stage, r, seed)
	}
	var spaces []*choose.Space
	for _, digits := range lengthsOf(stage, r) {
		for _, zeros := range []choose.Want{choose.Any, choose.Yes} {
			c := choose.Choice{Kind: stage.Kind(), Stage: stage, Digits: digits, Zeros: zeros}
			if limit := r.Limit(); limit > 0 {
				c.Most = limit
			}
			if s, err := c.Space(); err == nil && !s.Fits().IsZero() {
				spaces = append(spaces, s)
			}
		}
	}
	var tasks []task.Task
	for i, s := range spaces {
		for _, numbers := range s.Draw(max(1, looked/len(spaces)), seed+uint64(i)) {
			tasks = append(tasks, problem.Of(stage.Kind(), numbers...).Task())
		}
	}
	return different(tasks)
}

// lengthsOf are the lengths with which numbers of a stage are looked at: of two, each up to
// four digits; of more, all alike.
func lengthsOf(stage choose.StageID, r choose.Range) [][]int {
	most := max(stage.Least(), min(stage.Most(), int(place.TopPiece)+1))
	if limit := r.Limit(); limit > 0 {
		most = min(most, (limit - 1).Length())
	}
	var all [][]int
	for longest := stage.Least(); longest <= most; longest++ {
		switch stage.Numbers() {
		case 1:
			all = append(all, []int{longest})
		case 2:
			for other := longest; other >= 1; other-- {
				all = append(all, []int{longest, other})
			}
		default:
			all = append(all, slices.Repeat([]int{longest}, stage.Numbers()))
		}
	}
	return all
}

func numbersOf(stage choose.StageID, r choose.Range, seed uint64) []task.Task {
	choice, err := number.Choice{Stage: stage}.Fitted(r.Limit())
	if err != nil {
		return nil
	}
	var tasks []task.Task
	for _, a := range choice.Space().Draw(looked, seed, nil) {
		tasks = append(tasks, a.Task())
	}
	return tasks
}

// UpTo draws tasks of a kind with numbers of up to so many digits, of sums also with three,
// every third digit a 0. The same seed draws the same.
func UpTo(kind task.Kind, digits int, seed uint64) []task.Task {
	rng := rand.New(rand.NewPCG(seed, 0x74656c6c))
	number := func() place.Number {
		n := 1 + rng.IntN(9)
		for range rng.IntN(digits) {
			n *= 10
			if rng.IntN(3) > 0 {
				n += 1 + rng.IntN(9)
			}
		}
		return place.Number(n)
	}
	var tasks []task.Task
	for range looked {
		p := problem.Of(kind, number(), number())
		switch kind {
		case problem.Sum:
			if rng.IntN(3) == 0 {
				p = problem.SumOf(append(p.Numbers, number())...)
			}
		case problem.Difference:
			p = problem.DifferenceOf(max(p.Numbers[0], p.Numbers[1]), min(p.Numbers[0], p.Numbers[1]))
		default:
			p.Numbers[1] = place.Number(problem.FewestSharers + rng.IntN(problem.MostSharers-problem.FewestSharers+1))
		}
		if p.Valid() == nil {
			tasks = append(tasks, p.Task())
		}
	}
	return different(tasks)
}

// Shape is what tasks are like: the kinds of problem and how many digits their numbers have
// at most, and the stages of numbers that are asked alone. Answers of one shape have one pool.
type Shape struct {
	Sum, Difference, Sharing int  // digits; 0 for no such problem
	Many                     bool // sums of more than two numbers
	Stages                   string
}

// ShapeOf is what the tasks of some answers are like, with two digits at least and four at
// most.
func ShapeOf(answers []book.Observation) Shape {
	s := Shape{}
	var stages []string
	for _, o := range answers {
		if a, of := number.From(o.Task); of {
			if stage := string(number.StageOf(a)); stage != "" && !slices.Contains(stages, stage) {
				stages = append(stages, stage)
			}
			continue
		}
		p, of := problem.From(o.Task)
		if !of {
			continue
		}
		digits := min(max(2, p.Largest().Length()), int(place.TopPiece)+1)
		switch p.Kind {
		case problem.Sum, problem.Trays:
			s.Sum, s.Many = max(s.Sum, digits), s.Many || len(p.Addends()) > 2
		case problem.Difference:
			s.Difference = max(s.Difference, digits)
		case problem.Sharing:
			s.Sharing = max(s.Sharing, digits)
		}
	}
	slices.Sort(stages)
	s.Stages = strings.Join(stages, " ")
	return s
}

// Within is the shape with numbers no longer than those of a range.
func (s Shape) Within(r choose.Range) Shape {
	limit := r.Limit()
	if limit == 0 {
		return s
	}
	most := max(1, (limit - 1).Length())
	s.Sum, s.Difference, s.Sharing = min(s.Sum, most), min(s.Difference, most), min(s.Sharing, most)
	return s
}

// Pool draws tasks of the shape.
func (s Shape) Pool() *Pool {
	var tasks []task.Task
	for kind, digits := range map[task.Kind]int{problem.Sum: s.Sum, problem.Difference: s.Difference, problem.Sharing: s.Sharing} {
		if digits > 0 {
			tasks = append(tasks, UpTo(kind, digits, 1)...)
		}
	}
	if !s.Many {
		tasks = slices.DeleteFunc(tasks, func(t task.Task) bool {
			p, _ := problem.From(t)
			return len(p.Numbers) > 2
		})
	}
	for stage := range strings.FieldsSeq(s.Stages) {
		tasks = append(tasks, Suiting(choose.StageID(stage), choose.Widest, 1)...)
	}
	slices.SortStableFunc(tasks, func(a, b task.Task) int { return strings.Compare(string(a.Kind), string(b.Kind)) })
	return PoolOf(tasks)
}

// different leaves out what comes again.
func different(tasks []task.Task) []task.Task {
	seen := map[string]bool{}
	return slices.DeleteFunc(tasks, func(t task.Task) bool {
		key := t.Key()
		known := seen[key]
		seen[key] = true
		return known
	})
}
