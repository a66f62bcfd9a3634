package trial

import (
	"fmt"
	"io"
	"math/rand/v2"
	"runtime"
	"slices"
	"strings"
	"sync"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/diagnose"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/slip"
	"vineswap/core/task"
	"vineswap/pupil"
)

// Counts are after how many questions it is looked at what is named.
var Counts = []int{3, 4, 5, 6, 8, 12}

// mostAsked is how many questions a child of the trial is asked; mostRandom how many, at
// most, are drawn at random until most slips are named.
const (
	mostAsked  = 12
	mostMixed  = 8 // of those whose certainty is looked at
	mostRandom = 60
)

// kinds are the operations that are tried: any sums and any differences.
var kinds = []task.Kind{problem.Sum, problem.Difference}

func operationOf(kind task.Kind) slip.Operation {
	if kind == problem.Difference {
		return slip.Take
	}
	return slip.Add
}

// slipping is children of one sort.
type slipping struct {
	name  string
	habit func(o slip.Operation, i int, rng *rand.Rand) pupil.Habit
	then  func(o slip.Operation, i int) []slip.ID // another slip from half way on; nil for none
}

func usual(slips ...slip.ID) pupil.Habit { return pupil.Habit{Slips: slips, Shows: .85, Facts: .05} }

func unlike(h pupil.Habit, rng *rand.Rand) pupil.Habit {
	h.Shows, h.Facts = .65+.30*rng.Float64(), .12*rng.Float64()
	return h
}

func oneOf(o slip.Operation, i int) slip.ID {
	ids := slip.Of(o)
	return ids[i%len(ids)]
}

var pairsOf = [2]func() [][2]slip.ID{
	sync.OnceValue(func() [][2]slip.ID { return pairsIn(slip.Add) }),
	sync.OnceValue(func() [][2]slip.ID { return pairsIn(slip.Take) }),
}

func pairsIn(o slip.Operation) [][2]slip.ID {
	return slices.DeleteFunc(slices.Clone(slip.Pairs()), func(p [2]slip.ID) bool { return !slip.Shows(p[0], o) || !slip.Shows(p[1], o) })
}

func single(o slip.Operation, i int, _ *rand.Rand) pupil.Habit { return usual(oneOf(o, i)) }

func pair(o slip.Operation, i int, _ *rand.Rand) pupil.Habit {
	pairs := pairsOf[o]()
	p := pairs[i%len(pairs)]
	return usual(p[0], p[1])
}

func right(slip.Operation, int, *rand.Rand) pupil.Habit { return usual() }

func none(slip.Operation, int, *rand.Rand) pupil.Habit { return pupil.Habit{Guesses: true} }

// mixed are children as they are held to be: right, one slip, two, no pattern.
func mixed(o slip.Operation, i int, rng *rand.Rand) pupil.Habit {
	switch r := rng.Float64(); {
	case r < .30:
		return right(o, i, rng)
	case r < .75:
		return single(o, rng.IntN(1_000), rng)
	case r < .90:
		return pair(o, rng.IntN(1_000), rng)
	}
	return none(o, i, rng)
}

func notAsHeld(of func(slip.Operation, int, *rand.Rand) pupil.Habit) func(slip.Operation, int, *rand.Rand) pupil.Habit {
	return func(o slip.Operation, i int, rng *rand.Rand) pupil.Habit {
		h := of(o, i, rng)
		if h.Guesses {
			return h
		}
		return unlike(h, rng)
	}
}

var sorts = []slipping{
	{name: "one slip", habit: single},
	{name: "two slips", habit: pair},
	{name: "one slip, shown 65 to 95 %", habit: notAsHeld(single)},
	{name: "two slips, shown 65 to 95 %", habit: notAsHeld(pair)},
	{name: "one slip, then another", habit: single, then: func(o slip.Operation, i int) []slip.ID { return []slip.ID{oneOf(o, i+5)} }},
	{name: "right, wrong facts", habit: right},
	{name: "no pattern", habit: none},
}

// asker chooses the next question for a child.
type asker func(kind task.Kind, answers []book.Observation, rng *rand.Rand) problem.Problem

// any draws numbers of up to four digits, each as likely as any other; a third of the sums
// has three.
func anyProblem(kind task.Kind, _ []book.Observation, rng *rand.Rand) problem.Problem {
	draw := func() place.Number { return place.Number(1 + rng.IntN(9_999)) }
	a, b := draw(), draw()
	switch {
	case kind == problem.Difference:
		return problem.DifferenceOf(max(a, b), min(a, b))
	case rng.IntN(3) == 0:
		return problem.SumOf(a, b, draw())
	}
	return problem.SumOf(a, b)
}

// chosen asks what tells best, of tasks with numbers of up to so many digits.
func chosen(digits int) asker {
	pools := map[task.Kind]*diagnose.Pool{}
	for _, kind := range kinds {
		pools[kind] = diagnose.PoolOf(diagnose.UpTo(kind, digits, 1))
	}
	return func(kind task.Kind, answers []book.Observation, rng *rand.Rand) problem.Problem {
		if q, ok := pools[kind].Next(answers); ok {
			p, _ := problem.From(q.Task)
			return p
		}
		return anyProblem(kind, answers, rng)
	}
}

// fromStages draws a stage with two digits or more of the strand, and of it any problem.
func fromStages(kind task.Kind, _ []book.Observation, rng *rand.Rand) problem.Problem {
	stages := stagesOf(kind)
	space := stages[rng.IntN(len(stages))]
	return problem.Of(kind, space.Draw(1, rng.Uint64())[0]...)
}

var stagesOf = func() func(task.Kind) []*choose.Space {
	spaces := sync.OnceValue(func() map[task.Kind][]*choose.Space {
		all := map[task.Kind][]*choose.Space{}
		for _, stage := range choose.Stages() {
			if stage.Least() == 1 || !slices.Contains(kinds, stage.Kind()) {
				continue
			}
			for _, digits := range [][]int{stage.Fit(nil), stage.Fit([]int{3, 2}), stage.Fit([]int{4, 3})} {
				if s, err := (choose.Choice{Kind: stage.Kind(), Stage: stage, Digits: digits}).Space(); err == nil && !s.Fits().IsZero() {
					all[stage.Kind()] = append(all[stage.Kind()], s)
				}
			}
		}
		return all
	})
	return func(kind task.Kind) []*choose.Space { return spaces()[kind] }
}()

// look is what is said of a child after some answers.
type look struct {
	named    bool // first what is so, or what cannot be told apart from it
	naive    bool // the naive rule names it
	guessed  bool // the naive rule names a slip, and it is not so
	said     diagnose.Verdict
	stated   float64 // how sure of what is said first
	accuses  bool    // a slip, almost surely
	slipSaid bool    // what is said first is a slip
}

// follow asks a child so many questions and looks after each.
func follow(h pupil.Habit, then []slip.ID, kind task.Kind, ask asker, most int, rng *rand.Rand) []look {
	var answers []book.Observation
	looks := make([]look, 0, most)
	for n := range most {
		if then != nil && n == most/2 {
			h.Slips = then
		}
		p := ask(kind, answers, rng)
		answers = append(answers, book.Observation{
			Task: p.Task(), Manner: book.Column, Help: book.Alone, Came: book.Typed, Runs: 1, Answer: h.Answer(p, rng).String(),
		})
		looks = append(looks, lookAt(diagnose.Judge(answers), h, answers))
	}
	return looks
}

func lookAt(f diagnose.Finding, h pupil.Habit, answers []book.Observation) look {
	top := f.Top()
	l := look{said: f.Verdict, stated: top.Probability, slipSaid: len(top.Slips) > 0}
	l.accuses = l.slipSaid && top.Probability >= diagnose.Sure
	if f.NoPattern > top.Probability {
		l.stated, l.slipSaid, l.accuses = f.NoPattern, false, false
		l.named = h.Guesses
	} else {
		l.named = !h.Guesses && slices.ContainsFunc(append(top.Alike, top.Slips), func(ids []slip.ID) bool { return slices.Equal(ids, h.Slips) })
	}
	guess := naiveSlips(answers)
	l.naive = !h.Guesses && slices.Equal(guess, h.Slips)
	l.guessed = len(guess) > 0 && (h.Guesses || !slices.Equal(guess, h.Slips))
	return l
}

// naiveSlips is the slip that explains most wrong answers, the first of those that explain
// as many; none where nothing is wrong or explained.
func naiveSlips(answers []book.Observation) []slip.ID {
	counts := map[slip.ID]int{}
	var best slip.ID
	for _, o := range answers {
		for _, id := range o.Task.Explains(o.Answer) {
			counts[id]++
		}
	}
	for _, id := range slip.InColumns() {
		if counts[id] > counts[best] {
			best = id
		}
	}
	if best == "" {
		return nil
	}
	return []slip.ID{best}
}

// children follows so many children, in both operations, side by side.
func children(of slipping, ask asker, most, count int, seed uint64) [][]look {
	all := make([][]look, count)
	var wait sync.WaitGroup
	workers := runtime.GOMAXPROCS(0)
	for w := range workers {
		wait.Go(func() {
			for i := w; i < count; i += workers {
				rng := rand.New(rand.NewPCG(seed, uint64(i)))
				kind := kinds[i%2]
				var then []slip.ID
				if of.then != nil {
					then = of.then(operationOf(kind), i/2)
				}
				all[i] = follow(of.habit(operationOf(kind), i/2, rng), then, kind, ask, most, rng)
			}
		})
	}
	wait.Wait()
	return all
}

// share is for how many of all children something holds after so many questions.
func shareOf(all [][]look, after int, holds func(look) bool) float64 {
	n := 0
	for _, looks := range all {
		if holds(looks[after-1]) {
			n++
		}
	}
	return float64(n) / float64(len(all))
}

func named(l look) bool   { return l.named }
func byNaive(l look) bool { return l.naive }

// told also asks that a slip is said, where there is one: being alike to right is not enough.
func told(l look) bool { return l.named && l.slipSaid }

// NamedRow is how often what is so is named first, after each of Counts.
type NamedRow struct {
	Sort    string
	Chosen  bool
	Judge   []float64 // what is so, or what cannot be told apart from it
	Told    []float64 // of these, as a slip
	ByNaive []float64
}

// Tenth is what was stated with a certainty of one tenth, and how much of it was so.
type Tenth struct {
	Unlike       bool // children unlike the model
	After        int
	From         float64 // the tenth begins here
	Cases        int
	Stated, True float64
}

// Slips is what the trial of the slips found.
type Slips struct {
	Named []NamedRow
	Goals []Row // beside each the naive rule, where it can be asked
	Tenth []Tenth
}

// SlipTrial tries the judging of answers on so many children of each sort. The same seed
// gives the same tables.
func SlipTrial(count int, seed uint64) Slips {
	var s Slips
	best := chosen(4)
	found := map[string][2][][]look{}
	for n, of := range sorts {
		var both [2][][]look
		for i, ask := range []asker{best, anyProblem} {
			both[i] = children(of, ask, mostAsked, count, seed+uint64(n))
			s.Named = append(s.Named, namedRow(of.name, i == 0, both[i]))
		}
		found[of.name] = both
	}
	pooled := children(sorts[0], fromStages, mostAsked, count, seed+50)
	s.Named = append(s.Named, namedRow("one slip, mixed stages", false, pooled))
	two := children(sorts[0], chosen(2), mostAsked, count, seed+60)
	s.Named = append(s.Named, namedRow("one slip, two digits", true, two))
	like := children(slipping{habit: mixed}, best, mostMixed, 4*count, seed+70)
	not := children(slipping{habit: notAsHeld(mixed)}, best, mostMixed, 4*count, seed+80)
	for i, all := range [][][]look{like, not} {
		for _, after := range []int{3, 4, 6, 8} {
			s.Tenth = append(s.Tenth, tenths(all, after, i == 1)...)
		}
	}
	one, right, none := found["one slip"], found["right, wrong facts"], found["no pattern"]
	goal := func(asked string, goal float64, most bool, judge, naive float64) {
		s.Goals = append(s.Goals, Row{asked, goal, most, true, []float64{judge, naive}})
	}
	goal("one slip, named after 5 chosen", .985, false, shareOf(one[0], 5, named), shareOf(one[0], 5, byNaive))
	goal("two slips, named after 6 chosen", .95, false, shareOf(found["two slips"][0], 6, named), shareOf(found["two slips"][0], 6, byNaive))
	unlikely := found["one slip, shown 65 to 95 %"][0]
	goal("one slip unlike the model, named after 8 chosen", .93, false, shareOf(unlikely, 8, named), shareOf(unlikely, 8, byNaive))
	goal("right, accused of a slip after 8 chosen", .01, true, shareOf(right[0], 8, func(l look) bool { return l.accuses }), 1-shareOf(right[0], 8, byNaive))
	goal("right, accused of a slip after 8 at random", .01, true, shareOf(right[1], 8, func(l look) bool { return l.accuses }), 1-shareOf(right[1], 8, byNaive))
	goal("no pattern, called so after 8 chosen", .90, false, shareOf(none[0], 8, func(l look) bool { return l.said == diagnose.NoPattern }), 0)
	for _, after := range []int{4, 5, 6, 8} {
		wrongly := func(l look) bool { return l.accuses && !l.named }
		guessed := func(l look) bool { return l.guessed }
		goal(fmt.Sprintf("all sorts, a wrong slip named almost surely after %d", after), .005, true, shareOf(like, after, wrongly), shareOf(like, after, guessed))
	}
	goal("mixed stages at random, a slip named after 4", .65, false, shareOf(pooled, 4, named), shareOf(pooled, 4, byNaive))
	goal("mixed stages at random, a slip named after 8", .85, false, shareOf(pooled, 8, named), shareOf(pooled, 8, byNaive))
	few, many := questions85(children(sorts[0], best, mostAsked, count, seed+90)), questions85(children(sorts[0], anyProblem, mostRandom, count, seed+90))
	goal(fmt.Sprintf("chosen questions of random ones for 85 %% told (%d of %d)", few, many), .35, true, float64(few)/float64(many), 1)
	return s
}

// questions85 is after how many questions the slip is told of 85 in 100 children.
func questions85(all [][]look) int {
	for n := range all[0] {
		if shareOf(all, n+1, told) >= .85 {
			return n + 1
		}
	}
	return len(all[0])
}

func namedRow(sort string, chosen bool, all [][]look) NamedRow {
	r := NamedRow{Sort: sort, Chosen: chosen}
	for _, n := range Counts {
		r.Judge = append(r.Judge, shareOf(all, n, named))
		r.Told = append(r.Told, shareOf(all, n, told))
		r.ByNaive = append(r.ByNaive, shareOf(all, n, byNaive))
	}
	return r
}

// fewestCases is how many cases a tenth needs so that it says anything.
const fewestCases = 300

func tenths(all [][]look, after int, unlike bool) []Tenth {
	var rows []Tenth
	for tenth := 5; tenth < 10; tenth++ {
		t := Tenth{Unlike: unlike, After: after, From: float64(tenth) / 10}
		for _, looks := range all {
			l := looks[after-1]
			if min(int(10*l.stated), 9) != tenth {
				continue
			}
			t.Cases++
			t.Stated += l.stated
			if l.named {
				t.True++
			}
		}
		if t.Cases > 0 {
			t.Stated /= float64(t.Cases)
			t.True /= float64(t.Cases)
		}
		rows = append(rows, t)
	}
	return rows
}

// Off is how far what was stated lies from what was so.
func (t Tenth) Off() float64 { return max(t.Stated-t.True, t.True-t.Stated) }

// Limit is how far it may lie.
func (t Tenth) Limit() float64 {
	if t.Unlike {
		return .12
	}
	return .07
}

// Counts tells whether there are enough cases.
func (t Tenth) Counts() bool { return t.Cases >= fewestCases }

// PrintSlips writes the tables.
func PrintSlips(out io.Writer, s Slips) error {
	var b strings.Builder
	fmt.Fprintf(&b, "%-30s %-9s", "named first, in %, after", "questions")
	for _, n := range Counts {
		fmt.Fprintf(&b, "  %19d", n)
	}
	fmt.Fprintf(&b, "\n%-30s %-9s", "(as a slip, the naive rule)", "")
	b.WriteString("\n")
	for _, r := range s.Named {
		how := "random"
		if r.Chosen {
			how = "chosen"
		}
		fmt.Fprintf(&b, "%-30s %-9s", r.Sort, how)
		for i := range Counts {
			fmt.Fprintf(&b, "  %5.1f (%5.1f, %4.1f)", 100*r.Judge[i], 100*r.Told[i], 100*r.ByNaive[i])
		}
		b.WriteString("\n")
	}
	fmt.Fprintf(&b, "\n%-66s %16s %12s %12s\n", "goals", "wanted", "the judge", "naive")
	for _, r := range s.Goals {
		wanted := "at least "
		if r.Most {
			wanted = "at most "
		}
		mark := ""
		if !r.Holds() {
			mark = "  missed"
		}
		fmt.Fprintf(&b, "%-66s %16s %12s %12s%s\n", r.Asked, wanted+r.written(r.Goal), r.written(r.Found[0]), r.written(r.Found[1]), mark)
	}
	fmt.Fprintf(&b, "\n%-20s %9s %12s %7s %8s %8s\n", "how sure", "questions", "stated", "cases", "on mean", "was so")
	for _, t := range s.Tenth {
		children, mark := "as the model", ""
		if t.Unlike {
			children = "unlike the model"
		}
		switch {
		case !t.Counts():
			mark = "  too few"
		case t.Off() > t.Limit():
			mark = "  missed"
		}
		fmt.Fprintf(&b, "%-20s %9d %5.1f to %.1f %7d %8.2f %8.2f%s\n", children, t.After, t.From, t.From+.1, t.Cases, t.Stated, t.True, mark)
	}
	_, err := io.WriteString(out, b.String())
	return err
}
