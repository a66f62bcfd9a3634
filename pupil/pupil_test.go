package pupil_test

import (
	"math/rand/v2"
	"slices"
	"testing"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/problem"
	"vineswap/pupil"
)

// run lets a child work so many problems and counts the right answers.
func run(p *pupil.Pupil, n int, manner book.Manner, help book.Help, seed uint64) (right int) {
	rng := rand.New(rand.NewPCG(seed, 1))
	work := problem.SumOf(47, 25).Task()
	for range n {
		if p.Work(work, choose.OneSwapOnes, manner, help, rng) == work.Result() {
			right++
		}
	}
	return right
}

func TestPupilsLearn(t *testing.T) {
	early, late := 0, 0
	for seed := range uint64(200) {
		p := pupil.Pupil{Pace: 1}
		early += run(&p, 2, book.Pieces, book.Alone, seed)
		run(&p, 10, book.Pieces, book.Nudged, seed)
		late += run(&p, 2, book.Pieces, book.Alone, seed)
	}
	if early > 300 || late < 390 {
		t.Errorf("of 400 answers %d are right at first and %d after practice", early, late)
	}
}

func TestTheSlipShowsWithoutMaterial(t *testing.T) {
	known := func() *pupil.Pupil {
		p := &pupil.Pupil{Pace: 1, Slip: "drops-new-ten", Shows: 1}
		p.Knew(choose.OneSwapOnes, book.Pieces, 90)
		p.Knew(choose.OneSwapOnes, book.Column, 90)
		return p
	}
	if right := run(known(), 50, book.Column, book.Alone, 1); right != 0 {
		t.Errorf("in the column %d are right", right)
	}
	if right := run(known(), 50, book.Pieces, book.Alone, 1); right != 50 {
		t.Errorf("with pieces %d are right", right)
	}
	if right := run(known(), 50, book.Column, book.Together, 1); right != 50 {
		t.Errorf("together %d are right", right)
	}
	rng := rand.New(rand.NewPCG(1, 1))
	if got := known().Work(problem.SumOf(47, 25).Task(), choose.OneSwapOnes, book.Column, book.Alone, rng); got != "62" {
		t.Errorf("the slip gives %s", got)
	}
	if got := known().Work(problem.SumOf(47, 25).Task(), choose.OneSwapOnes, book.Column, book.Shown, rng); got != "" {
		t.Errorf("shown, and answered %s", got)
	}
}

// A careless child is wrong by a fact, which no slip of procedure has to explain.
func TestCarelessness(t *testing.T) {
	p := pupil.Pupil{Pace: 1, Careless: 1}
	p.Knew(choose.OneSwapOnes, book.Pieces, 90)
	rng := rand.New(rand.NewPCG(4, 4))
	for range 40 {
		answer := p.Work(problem.SumOf(47, 25).Task(), choose.OneSwapOnes, book.Pieces, book.Alone, rng)
		if !slices.Contains([]string{"71", "73", "62", "82"}, answer) {
			t.Errorf("careless and %s", answer)
		}
	}
	if len(problem.SumOf(47, 25).Task().Explains("73")) > 0 {
		t.Error("a fact slip is explained by a procedure")
	}
}
