package lesson_test

import (
	"strings"
	"testing"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/diagnose"
	"vineswap/core/ladder"
	"vineswap/core/lesson"
	"vineswap/core/problem"
	"vineswap/core/slip"
	"vineswap/core/task"
)

// answered is a child with answers alone in the column, written as "62-38=36".
func answered(t *testing.T, texts ...string) ladder.Child {
	t.Helper()
	fold := ladder.NewFold(ladder.Class{})
	for i, text := range texts {
		work, answer, _ := strings.Cut(text, "=")
		of, err := task.Parse(work)
		if err != nil {
			t.Fatal(err)
		}
		o := book.Observation{Task: of, Manner: book.Column, Help: book.Alone, Came: book.Typed, Runs: 1, Answer: answer, Day: book.Day(20_000 + i/3)}
		o.Stage = ladder.Credit(of, "")
		e := ladder.Saw(o)
		e.Seq = int64(i)
		fold.Take(e)
	}
	return ladder.Child{Standings: fold.Standings(), Recent: fold.Recent()}
}

// What goes wrong in a child's work, and what can be done about it.
func TestSuspects(t *testing.T) {
	all := lesson.Suspects(answered(t, "62-38=36", "47+25=72", "71-46=35", "78-34=44", "85-49=44", "58+27=85", "93-57=44"), "1000", 1)
	if len(all) != 1 {
		t.Fatalf("%d things go wrong: %+v", len(all), all)
	}
	s := all[0]
	if s.Slip != "smaller-from-larger" || s.Field != diagnose.Taking || s.Wrong != 4 || s.Shows != 4 || s.Likely < diagnose.Sure || s.Stage != choose.TakeOneSwapTens {
		t.Errorf("%+v", s)
	}
	if last := s.Answers[s.Fits[len(s.Fits)-1]]; last.Right() || last.Task.String() != "93-57" || !s.Answers[s.Fits[0]].Right() {
		t.Errorf("the newest wrong answer comes last: %v", s.Fits)
	}
	if len(s.Brings) == 0 {
		t.Fatal("nothing brings it out")
	}
	for _, item := range s.Brings {
		p, _ := problem.From(item.Task)
		if !diagnose.Shows([]slip.ID{s.Slip}, item.Task) || !item.Stage.Accepts(p) || !item.Manner.WithMaterial() || p.Reach() > 1000 {
			t.Errorf("%v, %s, %s", item.Task, item.Stage, item.Manner)
		}
	}
}

// Two slips that give the same answers are told together, with a question that tells them apart.
func TestSuspectsThatAreAlike(t *testing.T) {
	all := lesson.Suspects(answered(t, "374+62=336", "581+74=555", "236+91=227"), "1000", 1)
	if len(all) != 1 || all[0].Slip != "" || len(all[0].Rivals) < 2 || all[0].Same() != 2 || all[0].Ask == nil {
		t.Fatalf("%+v", all)
	}
	s := all[0]
	answers := map[slip.ID]string{}
	for _, w := range s.Ask.Task.Wrong() {
		answers[w.Slip] = s.Ask.Task.Write(w.Answer)
	}
	if answers[s.Rivals[0].Slip] == answers[s.Rivals[1].Slip] {
		t.Errorf("%v does not tell %s from %s", s.Ask.Task, s.Rivals[0].Slip, s.Rivals[1].Slip)
	}
	for _, w := range s.Settles {
		if diagnose.FieldOf(w) != diagnose.Adding {
			t.Errorf("%v is no question of adding", w)
		}
	}
	if len(s.Settles) == 0 {
		t.Error("nothing would settle it")
	}
	if p, _ := problem.From(s.Ask.Task); len(p.Numbers) != 2 || p.Reach() > 1000 {
		t.Errorf("%v does not suit the child", s.Ask.Task)
	}
}

// Nothing is told of a child who works rightly, or who was wrong once among many.
func TestNothingGoesWrong(t *testing.T) {
	for name, texts := range map[string][]string{
		"nothing":        nil,
		"right":          {"62-38=24", "71-46=25", "503-128=375"},
		"wrong once":     {"62-38=24", "71-46=25", "85-49=36", "93-57=36", "54-28=26", "600-254=346", "72-35=37", "81-24=75"},
		"wrong by facts": {"62-38=24", "71-46=25", "85-49=36", "93-57=36", "54-28=26", "600-254=346", "72-35=37", "81-24=58"},
	} {
		if all := lesson.Suspects(answered(t, texts...), "1000", 1); len(all) > 0 {
			t.Errorf("%s: %+v", name, all)
		}
	}
	all := lesson.Suspects(answered(t, "62-38=25", "71-46=25", "85-49=36", "93-57=37", "54-28=26", "600-254=346", "72-35=37", "503-128=375", "58-20=38", "50-23=27", "653-48=605", "732-118=614"), "1000", 1)
	if len(all) != 1 || all[0].Verdict != diagnose.FactSlips || all[0].Slip != "" || len(all[0].Fits) != 2 {
		t.Errorf("wrong facts: %+v", all)
	}
}

// A suggested lesson for who goes back to material has numbers that bring the slip out.
func TestNumbersThatBringASlipOut(t *testing.T) {
	for seed := range uint64(20) {
		items, err := lesson.Wanted{Key: ladder.Key{Stage: choose.NoSwap, Manner: book.Pieces}, Range: "100", Slips: [][]slip.ID{{"zero-makes-zero"}}}.Draw(seed)
		if err != nil || !diagnose.Shows([]slip.ID{"zero-makes-zero"}, items[0].Task) {
			t.Errorf("seed %d: %v, %v", seed, items, err)
		}
	}
}
