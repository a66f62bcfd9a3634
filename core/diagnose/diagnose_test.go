package diagnose_test

import (
	"fmt"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/diagnose"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/slip"
	"vineswap/core/task"
)

// given are answers alone in the column, written as "62-38=36".
func given(t testing.TB, texts ...string) []book.Observation {
	t.Helper()
	var all []book.Observation
	for _, text := range texts {
		work, answer, _ := strings.Cut(text, "=")
		of, err := task.Parse(work)
		if err != nil {
			t.Fatal(err)
		}
		all = append(all, book.Observation{Task: of, Manner: book.Column, Help: book.Alone, Came: book.Typed, Runs: 1, Answer: answer})
	}
	return all
}

func TestWhatExplains(t *testing.T) {
	for name, c := range map[string]struct {
		answers  []string
		verdict  diagnose.Verdict
		slips    []slip.ID
		explains int
	}{
		"nothing yet": {nil, diagnose.NotEnough, nil, 0},
		"one answer":  {[]string{"62-38=36"}, diagnose.NotEnough, []slip.ID{"smaller-from-larger"}, 1},
		"a slip": {
			[]string{"62-38=36", "503-128=425", "71-46=35", "78-34=44"}, diagnose.Slip, []slip.ID{"smaller-from-larger"}, 4,
		},
		"most of the time": {
			[]string{"47+25=62", "368+275=533", "58+36=94", "29+14=33", "645+187=722"}, diagnose.Slip, []slip.ID{"drops-new-ten"}, 4,
		},
		"two together": {
			[]string{"653-248=526", "732-118=737", "862-437=546", "541-226=436", "975-348=633"}, diagnose.Slip, []slip.ID{"counts-the-start", "smaller-from-larger"}, 5,
		},
		"right": {
			[]string{"62-38=24", "503-128=375", "700-254=446", "615-287=328", "432-178=254", "58-20=38", "653-48=605"}, diagnose.Right, nil, 7,
		},
		"wrong facts": {
			[]string{"62-38=25", "503-128=375", "700-254=446", "615-287=328", "432-178=244", "58-20=38", "653-48=605"}, diagnose.FactSlips, nil, 5,
		},
		"no pattern": {
			[]string{"62-38=77", "503-128=375", "700-254=12", "615-287=541", "432-178=90", "653-48=605", "81-36=13"}, diagnose.NoPattern, []slip.ID{}, -1,
		},
		"an old slip and a new one, in two operations": {
			[]string{"47+25=62", "62-38=36", "368+275=533", "71-46=35", "59+27=76", "85-49=44"}, diagnose.Slip, []slip.ID{"drops-new-ten", "smaller-from-larger"}, 6,
		},
		"one slip in both operations": {
			[]string{"146+38=526", "653-48=173", "512+46=972", "871-63=241"}, diagnose.Slip, []slip.ID{"lines-up-left"}, 4,
		},
		"sharing": {
			[]string{"72/3=20 r 2", "96/4=21 r 2", "75/5=11"}, diagnose.Slip, []slip.ID{slip.LeftoverDropped}, 3,
		},
		"numbers": {
			[]string{"16 word write=61", "14 word write=41", "17 word write=71", "47 word write=74"}, diagnose.Slip, []slip.ID{slip.DigitsReversed}, 4,
		},
	} {
		t.Run(name, func(t *testing.T) {
			f := diagnose.Judge(given(t, c.answers...))
			top := f.Top()
			if f.Verdict != c.verdict {
				t.Errorf("%s, %+v, no pattern %.2f", f.Verdict, top, f.NoPattern)
			}
			if c.explains >= 0 && (!slices.Equal(top.Slips, c.slips) || len(top.Explains) != c.explains) {
				t.Errorf("%v explain %v with %.2f", top.Slips, top.Explains, top.Probability)
			}
		})
	}
}

// What tells nothing of a child's own way is passed over: shown, a part of a task, no answer.
func TestWhatTellsNothing(t *testing.T) {
	all := given(t, "62-38=36", "71-46=35", "85-49=44", "62-38=")
	all[0].Help = book.Shown
	all[1].Part = place.SetOf(place.Ones)
	f := diagnose.Judge(all)
	if f.Answers != 1 || !slices.Equal(f.Top().Explains, []int{2}) {
		t.Errorf("%d answers, %+v", f.Answers, f.Top())
	}
}

// A right answer with pieces in hand, or with help, says less against a slip than one in the
// column alone.
func TestMaterialAndHelpSayLess(t *testing.T) {
	mass := func(change func(*book.Observation)) float64 {
		all := given(t, "62-38=36", "71-46=35", "85-49=36", "93-57=36", "54-28=26")
		for i := 2; i < len(all); i++ {
			change(&all[i])
		}
		for _, e := range diagnose.Judge(all).Explanations {
			if slices.Equal(e.Slips, []slip.ID{"smaller-from-larger"}) {
				return e.Probability
			}
		}
		return 0
	}
	alone := mass(func(*book.Observation) {})
	for name, change := range map[string]func(*book.Observation){
		"pieces":  func(o *book.Observation) { o.Manner = book.Pieces },
		"help":    func(o *book.Observation) { o.Help = book.Together },
		"default": func(o *book.Observation) { o.Came = book.Default },
	} {
		if with := mass(change); with <= alone {
			t.Errorf("%s: %.3f, alone %.3f", name, with, alone)
		}
	}
}

// Answers age: what a child did half a year ago tells less than what it does now.
func TestOldAnswersTellLess(t *testing.T) {
	all := given(t, "62-38=36", "71-46=35", "85-49=44", "93-57=36", "600-254=346")
	near := diagnose.Judge(all)
	for i := range all {
		all[i].Day = 20_000
	}
	for i := 3; i < len(all); i++ {
		all[i].Day += 180
	}
	far := diagnose.Judge(all)
	slipIn := func(f diagnose.Finding) float64 {
		for _, e := range f.Explanations {
			if slices.Contains(e.Slips, "smaller-from-larger") && len(e.Slips) == 1 {
				return e.Probability
			}
		}
		return 0
	}
	if slipIn(far) >= slipIn(near) {
		t.Errorf("after half a year %.3f, at once %.3f", slipIn(far), slipIn(near))
	}
}

// The weights are a distribution; what is alike gives the same answer to every task; what
// is explained is explained by the slip's own answer.
func TestLawsOfFindings(t *testing.T) {
	rng := rand.New(rand.NewPCG(4, 4))
	for range 300 {
		var all []book.Observation
		kind := []task.Kind{problem.Sum, problem.Difference}[rng.IntN(2)]
		pool := diagnose.UpTo(kind, 1+rng.IntN(4), rng.Uint64())
		for range rng.IntN(7) {
			w := pool[rng.IntN(len(pool))]
			answer := w.Result()
			if wrong := w.Wrong(); len(wrong) > 0 && rng.IntN(2) == 0 {
				answer = w.Write(wrong[rng.IntN(len(wrong))].Answer)
			}
			all = append(all, book.Observation{Task: w, Manner: book.Column, Help: book.Alone, Came: book.Typed, Answer: answer})
		}
		f := diagnose.Judge(all)
		sum := f.NoPattern
		for i, e := range f.Explanations {
			sum += e.Probability
			if i > 0 && e.Probability > f.Explanations[i-1].Probability {
				t.Fatalf("the likeliest does not come first: %+v", f.Explanations)
			}
			for _, same := range e.Alike {
				for _, o := range all {
					if len(same) == 1 && len(e.Slips) == 1 && of(o.Task, same[0]) != of(o.Task, e.Slips[0]) {
						t.Fatalf("%v and %v are told apart by %v", same, e.Slips, o.Task)
					}
				}
			}
			for _, at := range e.Explains {
				o := all[at]
				ids := o.Task.Explains(o.Answer)
				own := slices.ContainsFunc(e.Slips, func(id slip.ID) bool { return slices.Contains(ids, id) })
				if len(e.Slips) < 2 && !own && !o.Right() {
					t.Fatalf("%v does not explain %v = %s", e.Slips, o.Task, o.Answer)
				}
			}
		}
		if sum > 1+1e-9 || f.Answers == 0 && sum < 1-1e-9 {
			t.Fatalf("the weights come to %f", sum)
		}
	}
}

// of is what a slip gives, or what is right where it does not apply.
func of(w task.Task, id slip.ID) string {
	for _, wrong := range w.Wrong() {
		if wrong.Slip == id {
			return w.Write(wrong.Answer)
		}
	}
	return w.Result()
}

// The next question tells what is open: after two sums in which two slips give the same, the
// one in which they do not.
func TestTheNextQuestion(t *testing.T) {
	all := given(t, "374+62=336", "581+74=555")
	pool := diagnose.PoolOf(diagnose.UpTo(problem.Sum, 3, 1))
	before := diagnose.Judge(all)
	if top := before.Top(); before.Verdict != diagnose.Slip || top.Own >= diagnose.Enough || !slices.ContainsFunc(top.Alike, func(ids []slip.ID) bool { return slices.Equal(ids, []slip.ID{"brings-down-without-carry"}) }) {
		t.Fatalf("%s: %+v", before.Verdict, before.Explanations)
	}
	q, some := pool.Next(all)
	if !some || q.Tells <= .3 {
		t.Fatalf("%+v, %t", q, some)
	}
	if len(q.Gives) < 2 || q.Gives[0].Answer == q.Gives[1].Answer {
		t.Errorf("%v does not tell the likeliest apart: %+v", q.Task, q.Gives)
	}
	for _, g := range q.Gives {
		answer := book.Observation{Task: q.Task, Manner: book.Column, Help: book.Alone, Came: book.Typed, Answer: g.Answer}
		if after := diagnose.Judge(append(slices.Clone(all), answer)); after.Top().Own <= before.Top().Own && g.Held > .2 {
			t.Errorf("answered %s: %.2f, before %.2f", g.Answer, after.Top().Own, before.Top().Own)
		}
	}
	if again, _ := pool.Next(append(all, given(t, q.Task.String()+"="+q.Task.Result())...)); again.Task.Data != nil && again.Task.Key() == q.Task.Key() {
		t.Errorf("%v is asked again", q.Task)
	}
}

// The shortest set tells all that is possible apart: no shorter one does, of all sets.
func TestTheShortestSet(t *testing.T) {
	tasks := diagnose.UpTo(problem.Difference, 3, 5)[:60]
	for _, answers := range [][]string{{"503-128=285"}, {"62-38=30"}, {"503-128=375", "50-23=33"}} {
		all := given(t, answers...)
		set := diagnose.PoolOf(tasks).Settle(all)
		if len(set) == 0 {
			t.Errorf("%v: nothing would settle it", answers)
		}
		for _, left := range set {
			fewer := slices.DeleteFunc(slices.Clone(set), func(w task.Task) bool { return w.Key() == left.Key() })
			if len(fewer) > 0 && len(diagnose.PoolOf(fewer).Settle(all)) == len(set) {
				t.Errorf("%v: %v is not needed", answers, left)
			}
		}
	}
}

// Numbers that bring a slip out: it gives an answer of its own there.
func TestBringsOut(t *testing.T) {
	pool := diagnose.PoolOf(diagnose.Suiting(choose.AcrossOneZero, "10000", 3))
	answers := given(t, "503-128=285", "604-237=277")
	tasks := pool.BringsOut([]slip.ID{"jumps-over-zero"}, answers)
	if len(tasks) == 0 {
		t.Fatal("there are none")
	}
	for _, w := range tasks {
		own := of(w, "jumps-over-zero")
		if own == w.Result() || own == of(w, "swaps-from-far-left") {
			t.Errorf("%v: %s", w, own)
		}
	}
	if none := diagnose.PoolOf(diagnose.Suiting(choose.TakeNoSwap, "100", 3)).BringsOut([]slip.ID{"ten-for-nothing"}, nil); len(none) > 0 {
		t.Errorf("%v bring out a slip of swapping", none)
	}
	if none := pool.BringsOut([]slip.ID{"no-such-slip"}, nil); none != nil {
		t.Errorf("%v bring out what is no slip", none)
	}
}

// What a hand of tasks could not show.
func TestHidden(t *testing.T) {
	pool := diagnose.PoolOf(diagnose.UpTo(problem.Difference, 4, 1))
	var hand []task.Task
	for _, o := range given(t, "62-38=24", "71-46=25") {
		hand = append(hand, o.Task)
	}
	hidden, would, some := pool.Hidden(hand)
	if !some || slices.Contains(hidden, "smaller-from-larger") || !slices.Contains(hidden, "stops-at-zero") || slices.Contains(hidden, "drops-new-ten") {
		t.Fatalf("%v, %v", hidden, would)
	}
	shown := 0
	for _, id := range hidden {
		if of(would, id) != would.Result() {
			shown++
		}
	}
	if shown < len(hidden)/2 {
		t.Errorf("%v shows %d of %v", would, shown, hidden)
	}
	if hidden, _, some := pool.Hidden(nil); hidden != nil || some {
		t.Errorf("of nothing %v is hidden", hidden)
	}
}

// What suits a stage is of it, and as large as the class's numbers go.
func TestSuiting(t *testing.T) {
	for _, stage := range choose.Stages() {
		for _, r := range []choose.Range{"100", "10000"} {
			tasks := diagnose.Suiting(stage, r, 2)
			if len(tasks) == 0 && stage.Within(r.Limit()) {
				t.Errorf("%s to %s: none", stage, r)
			}
			for _, w := range tasks {
				p, _ := problem.From(w)
				if !stage.Accepts(p) || p.Reach() > r.Limit() {
					t.Fatalf("%s to %s: %v", stage, r, w)
				}
			}
		}
	}
	if tasks := diagnose.Suiting("tens/writing-teens", "100", 1); len(tasks) == 0 {
		t.Error("no teens")
	}
}

func ExampleJudge() {
	var all []book.Observation
	for _, a := range [][2]string{{"62-38", "36"}, {"71-46", "35"}, {"85-49", "44"}, {"78-34", "44"}} {
		t, _ := task.Parse(a[0])
		all = append(all, book.Observation{Task: t, Manner: book.Column, Help: book.Alone, Came: book.Typed, Answer: a[1]})
	}
	f := diagnose.Judge(all)
	fmt.Println(f.Verdict, f.Top().Slips, f.Top().Explains)
	// Output: slip [smaller-from-larger] [0 1 2 3]
}

// thirty are 30 learners with 40 answers each.
func thirty() [][]book.Observation {
	rng := rand.New(rand.NewPCG(6, 6))
	tasks := append(diagnose.UpTo(problem.Sum, 4, 1), diagnose.UpTo(problem.Difference, 4, 1)...)
	all := make([][]book.Observation, 30)
	for i := range all {
		for range 40 {
			w := tasks[rng.IntN(len(tasks))]
			answer := w.Result()
			if wrong := w.Wrong(); len(wrong) > 0 && rng.IntN(3) == 0 {
				answer = w.Write(wrong[rng.IntN(len(wrong))].Answer)
			}
			all[i] = append(all[i], book.Observation{Task: w, Manner: book.Column, Help: book.Alone, Came: book.Typed, Answer: answer})
		}
	}
	return all
}

func BenchmarkJudge(b *testing.B) {
	class := thirty()
	for b.Loop() {
		for _, answers := range class {
			diagnose.Judge(answers)
		}
	}
}

// The next question, its tasks worked anew.
func BenchmarkNext(b *testing.B) {
	answers := thirty()[0]
	for b.Loop() {
		diagnose.PoolOf(diagnose.Suiting(choose.SeveralSwaps, "10000", 1)).Next(answers)
	}
}
