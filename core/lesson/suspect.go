package lesson

import (
	"slices"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/diagnose"
	"vineswap/core/ladder"
	"vineswap/core/slip"
	"vineswap/core/task"
)

// Suspect is something that goes wrong in one field of a child's work, by its last answers.
type Suspect struct {
	Field   diagnose.Field
	Verdict diagnose.Verdict
	Slip    slip.ID            // what is told; none where several explain as much, and where none does
	Likely  float64            // how likely that is so
	Answers []book.Observation // all that were judged, oldest first
	Fits    []int              // which of these it explains, the wrong ones and then those that it gives rightly; without a slip the wrong ones
	Wrong   int                // how many of all are wrong
	Shows   int                // how many of these it explains
	Rivals  []Rival            // what else it could be, the likeliest first
	Stage   choose.StageID     // of the last wrong answer that it explains
	Ask     *diagnose.Question // the question that would tell; none where nothing is open
	Settles []task.Task        // the fewest questions that would settle it together
	Brings  []Item             // tasks with material that bring it out
}

// Rival is another slip that explains some of the answers.
type Rival struct {
	Slip    slip.ID
	Likely  float64
	Fits    []int
	Against int // an answer that it does not explain; -1 where there is none
}

// The most rivals that are told beside a slip, and the most tasks that bring it out.
const (
	mostRivals  = 2
	mostBrought = 2
)

// Suspects lists what goes wrong in a child's work, field by field, surest first within a field.
// Its numbers go as far as a range; the same seed draws the same tasks.
func Suspects(c ladder.Child, r choose.Range, seed uint64) []Suspect {
	var all []Suspect
	for _, field := range diagnose.Fields() {
		answers := c.Recent.In(field)
		f := diagnose.Judge(answers)
		s := Suspect{Field: field, Verdict: f.Verdict, Answers: answers, Wrong: len(wrongOf(answers))}
		if s.Wrong == 0 {
			continue
		}
		top := f.Top()
		switch {
		case f.Verdict == diagnose.Slip && top.Own >= diagnose.Enough:
			for _, id := range top.Slips {
				s.Slip, s.Likely = id, f.Held(id)
				all = append(all, s.with(f, r, seed))
			}
		case f.Verdict == diagnose.Slip, f.Verdict == diagnose.NotEnough && len(f.Likely()) > 0:
			if s = s.with(f, r, seed); len(s.Rivals) > 0 && (s.Shows >= fewestToTell || len(answers) <= fewAnswers) {
				all = append(all, s)
			}
		case f.Verdict == diagnose.NoPattern, f.Verdict == diagnose.FactSlips:
			s.Fits, s.Likely = wrongOf(answers), f.NoPattern
			if f.Verdict == diagnose.FactSlips {
				s.Likely = f.Top().Probability
			}
			s.Stage, s.Shows = stageOfLast(answers, s.Fits), s.Wrong
			if s.Wrong >= fewestToTell {
				all = append(all, s)
			}
		}
	}
	return all
}

// Of many answers one wrong one is nothing that is told; of few it is asked about.
const (
	fewestToTell = 2
	fewAnswers   = 6
)

// with fills in what a slip explains, or what several do as well, and what can be done.
func (s Suspect) with(f diagnose.Finding, r choose.Range, seed uint64) Suspect {
	for _, w := range f.Weights() {
		if w.Slip == s.Slip {
			continue
		}
		rival := Rival{w.Slip, w.Likely, fitting(w.Slip, s.Answers), -1}
		if !slices.ContainsFunc(rival.Fits, func(i int) bool { return !s.Answers[i].Right() }) {
			continue
		}
		s.Rivals = append(s.Rivals, rival)
	}
	if s.Slip == "" {
		s.Rivals = s.Rivals[:min(len(s.Rivals), mostRivals+1)]
		for _, rival := range s.Rivals {
			s.Fits = append(s.Fits, rival.Fits...)
		}
		slices.Sort(s.Fits)
		s.Fits = slices.Compact(s.Fits)
	} else {
		s.Fits = fitting(s.Slip, s.Answers)
		s.Rivals = slices.DeleteFunc(s.Rivals, func(x Rival) bool { return !meets(x.Fits, s.Fits, s.Answers) })
		s.Rivals = s.Rivals[:min(len(s.Rivals), mostRivals)]
	}
	for i := range s.Rivals {
		for _, n := range slices.Backward(s.Fits) {
			if !slices.Contains(s.Rivals[i].Fits, n) && !s.Answers[n].Right() {
				s.Rivals[i].Against = n
				break
			}
		}
	}
	s.Stage = stageOfLast(s.Answers, s.Fits)
	slices.SortStableFunc(s.Fits, func(a, b int) int { return truth(s.Answers[b].Right()) - truth(s.Answers[a].Right()) })
	s.Shows = len(s.wrongIn(s.Fits))
	suiting := slices.DeleteFunc(diagnose.Suiting(s.Stage, r, seed), func(t task.Task) bool { return diagnose.FieldOf(t) != s.Field })
	pools := []*diagnose.Pool{diagnose.PoolOf(suiting), diagnose.ShapeOf(s.Answers).Within(r).Pool()}
	if s.Slip == "" || s.Likely < diagnose.Sure {
		s.Ask, s.Settles = nextOf(pools, s.Answers)
	}
	if s.Slip != "" {
		s.Brings = s.brought(pools)
	}
	return s
}

// nextOf is the question of the first pool that tells the two likeliest apart; else the one
// that tells most; with the fewest of the same pool that would settle it together.
func nextOf(pools []*diagnose.Pool, answers []book.Observation) (best *diagnose.Question, settle []task.Task) {
	for _, pool := range pools {
		q, some := pool.Next(answers)
		if !some {
			continue
		}
		if len(q.Gives) > 1 && q.Gives[0].Answer != q.Gives[1].Answer {
			return &q, pool.Settle(answers)
		}
		if best == nil || q.Tells > best.Tells {
			best, settle = &q, pool.Settle(answers)
		}
	}
	return best, settle
}

// brought are tasks that bring the slip out, of the stage where there are any, and with
// material where there is any for it.
func (s Suspect) brought(pools []*diagnose.Pool) []Item {
	for _, pool := range pools {
		for _, answers := range [][]book.Observation{s.Answers, nil} {
			tasks := slices.DeleteFunc(pool.BringsOut([]slip.ID{s.Slip}, answers), func(t task.Task) bool {
				return slices.ContainsFunc(s.Answers, func(o book.Observation) bool { return o.Task.Key() == t.Key() })
			})
			var items []Item
			for _, t := range tasks[:min(len(tasks), mostBrought)] {
				stage := ladder.Credit(t, s.Stage)
				items = append(items, Item{Task: t, Stage: stage, Manner: withMaterial(stage)})
			}
			if len(items) > 0 {
				return items
			}
		}
	}
	return nil
}

// withMaterial is the manner of a stage in which a slip is mended: with pieces and column, or
// with pieces; else the first.
func withMaterial(id choose.StageID) book.Manner {
	stage, known := ladder.StageByID(id)
	if !known || len(stage.Manners) == 0 {
		return ""
	}
	for _, m := range []book.Manner{book.PiecesAndColumn, book.Pieces} {
		if slices.Contains(stage.Manners, m) {
			return m
		}
	}
	return stage.Manners[0]
}

// Same is how many of the rivals explain just the same wrong answers as the first.
func (s Suspect) Same() int {
	n := 0
	for _, r := range s.Rivals {
		if slices.Equal(s.wrongIn(r.Fits), s.wrongIn(s.Rivals[0].Fits)) {
			n++
		}
	}
	return n
}

func (s Suspect) wrongIn(some []int) []int {
	return slices.DeleteFunc(slices.Clone(some), func(i int) bool { return s.Answers[i].Right() })
}

func truth(is bool) int {
	if is {
		return 1
	}
	return 0
}

// fitting are the answers that are just what a slip gives.
func fitting(id slip.ID, answers []book.Observation) []int {
	var fits []int
	for i, o := range answers {
		if diagnose.Fit([]slip.ID{id}, o.Task, o.Answer) {
			fits = append(fits, i)
		}
	}
	return fits
}

func meets(a, b []int, answers []book.Observation) bool {
	return slices.ContainsFunc(a, func(i int) bool { return slices.Contains(b, i) && !answers[i].Right() })
}

func wrongOf(answers []book.Observation) []int {
	var wrong []int
	for i, o := range answers {
		if !o.Right() {
			wrong = append(wrong, i)
		}
	}
	return wrong
}

// stageOfLast is the stage of the last wrong answer of some.
func stageOfLast(answers []book.Observation, some []int) choose.StageID {
	for _, i := range slices.Backward(some) {
		if o := answers[i]; !o.Right() {
			return ladder.Credit(o.Task, o.Stage)
		}
	}
	return ""
}
