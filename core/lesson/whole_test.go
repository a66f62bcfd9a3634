package lesson_test

import (
	"errors"
	"fmt"
	"slices"
	"testing"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/lesson"
	"vineswap/core/material"
	"vineswap/core/number"
	"vineswap/core/opener"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/say"
	"vineswap/core/trace"
)

// seats are so many children.
func seats(n int) []string {
	ids := make([]string, n)
	for i := range ids {
		ids[i] = fmt.Sprint("child-", i)
	}
	return ids
}

func flashed(n int) lesson.Item {
	a := number.Asked{Number: place.Number(n), Shown: number.Rack100, Answered: number.Write}
	return lesson.Item{Task: a.Task(), Stage: number.StageOf(a), Flash: &opener.Flash{Tenths: 20, Times: 1}}
}

// A lesson for the whole class: everybody works each task whole, nobody has a turn at the mat,
// and nobody waits to be written up.
func TestForAll(t *testing.T) {
	l, err := lesson.ForAll([]lesson.Item{flashed(24), {Task: problem.SumOf(47, 25).Task(), Stage: choose.OneSwapOnes}}, material.Beads, seats(24))
	if err != nil {
		t.Fatal(err)
	}
	if !l.Whole || l.Stand != lesson.OnTheMat || l.Round != (lesson.Round{Pace: lesson.LookAt}) || !l.Dealt() {
		t.Errorf("%+v", l)
	}
	for nth := range l.Items {
		for seat := range l.Children {
			if part, had := l.Part(nth, seat); part != 0 || !had {
				t.Errorf("task %d, child %d: %v, %v", nth, seat, part, had)
			}
		}
		v, err := l.Open(say.Words{}, trace.Method{})
		if err != nil || slices.ContainsFunc(v.Turns, func(turn int) bool { return turn >= 0 }) || slices.ContainsFunc(v.Roles, func(r string) bool { return r != "" }) {
			t.Errorf("task %d: turns %v, roles %v, %v", nth, v.Turns, v.Roles, err)
		}
	}
	if held := (lesson.Held{Items: 2, Nth: 1, Stand: lesson.Ended, Children: l.Children, Whole: true}).Worked(); len(held) != 0 {
		t.Errorf("%d wait to be written", len(held))
	}
	if _, err := lesson.ForAll([]lesson.Item{flashed(24)}, material.Beads, seats(41)); !errors.Is(err, lesson.ErrWhole) {
		t.Errorf("41 children: %v", err)
	}
	if _, err := lesson.New([]lesson.Item{flashed(24)}, material.Beads, seats(5)); !errors.Is(err, lesson.ErrChildren) {
		t.Errorf("five at the mat: %v", err)
	}
	bad := flashed(24)
	bad.Flash = &opener.Flash{Times: 1}
	if _, err := lesson.ForAll([]lesson.Item{bad}, material.Beads, nil); !errors.Is(err, opener.ErrSeconds) {
		t.Errorf("a flash of 0 s: %v", err)
	}
}

// The guide holds the pace; the next task begins anew, and what cannot be changes nothing.
func TestPace(t *testing.T) {
	l, err := lesson.ForAll([]lesson.Item{flashed(24), {Task: problem.SumOf(4, 3).Task()}}, material.Beads, seats(3))
	if err != nil {
		t.Fatal(err)
	}
	pace := func(p lesson.Pace) lesson.Change { return lesson.Change{Pace: &p} }
	shown := func(n int) lesson.Change { return lesson.Change{Shown: &n} }
	nth := func(n int) lesson.Change { return lesson.Change{Nth: &n} }
	for _, c := range []struct {
		name   string
		change lesson.Change
		want   lesson.Round
		err    error
	}{
		{"shown", shown(1), lesson.Round{Pace: lesson.LookAt, Shown: 1}, nil},
		{"all write", pace(lesson.WriteIt), lesson.Round{Pace: lesson.WriteIt, Shown: 1}, nil},
		{"no such pace", pace("sing"), lesson.Round{Pace: lesson.WriteIt, Shown: 1}, lesson.ErrPace},
		{"shown too often", shown(100), lesson.Round{Pace: lesson.WriteIt, Shown: 1}, lesson.ErrShown},
		{"the next one", nth(1), lesson.Round{Pace: lesson.LookAt}, nil},
		{"nothing to flash", shown(1), lesson.Round{Pace: lesson.LookAt}, lesson.ErrFlash},
	} {
		l, err = l.With(c.change)
		if l.Round != c.want || !errors.Is(err, c.err) {
			t.Errorf("%s: %+v, %v", c.name, l.Round, err)
		}
	}
	alone, _ := lesson.New([]lesson.Item{{Task: problem.SumOf(4, 3).Task()}}, material.Beads, seats(2))
	if _, err := alone.With(pace(lesson.ShowUp)); !errors.Is(err, lesson.ErrSlates) {
		t.Errorf("slates at the mat: %v", err)
	}
	whole := true
	if alone, err = alone.With(lesson.Change{Whole: &whole, Children: seats(20)}); err != nil || alone.Round.Pace != lesson.LookAt || len(alone.Children) != 20 {
		t.Errorf("for all after all: %+v, %v", alone.Round, err)
	}
}

// What each slate shows of a child, and what is no evidence.
func TestEvidence(t *testing.T) {
	l, err := lesson.ForAll([]lesson.Item{flashed(24), {Task: problem.SumOf(47, 25).Task(), Stage: choose.OneSwapOnes}, {Task: problem.SumOf(8, 5).Task(), Manner: book.Head}, {Task: opener.Card{Text: "Say ten."}.Task()}}, material.Beads, seats(2))
	if err != nil {
		t.Fatal(err)
	}
	for _, c := range []struct {
		name      string
		nth       int
		slate     lesson.Slate
		explained bool
		want      string // answer, how it came, help, manner; empty for no evidence
	}{
		{"untouched", 0, lesson.Slate{Mark: lesson.ByDefault}, false, "24 default alone drawn"},
		{"looked at", 0, lesson.Slate{Mark: lesson.Right}, false, "24 marked alone drawn"},
		{"another answer", 0, lesson.Slate{Mark: lesson.Other, Answer: "42"}, false, "42 typed alone drawn"},
		{"a figure turned round", 0, lesson.Slate{Mark: lesson.Mirrored}, false, "24 marked alone drawn"},
		{"not done", 0, lesson.Slate{Mark: lesson.Unfinished, Answer: "2"}, false, ""},
		{"nothing written", 0, lesson.Slate{Mark: lesson.Blank}, false, ""},
		{"not read", 0, lesson.Slate{Mark: lesson.NotRead}, false, ""},
		{"away", 0, lesson.Slate{Mark: lesson.NotHere}, false, ""},
		{"explained it", 0, lesson.Slate{Mark: lesson.ByDefault}, true, "24 marked explains drawn"},
		{"explained it wrongly", 0, lesson.Slate{Mark: lesson.Other, Answer: "42"}, true, "42 typed alone drawn"},
		{"a sum on the slate", 1, lesson.Slate{Mark: lesson.Right}, false, "72 marked alone column"},
		{"a sum in the head", 2, lesson.Slate{Mark: lesson.Right}, false, "13 marked alone head"},
		{"about a card", 3, lesson.Slate{Mark: lesson.ByDefault}, false, ""},
	} {
		o, is := l.Evidence(c.nth, c.slate, c.explained, book.FromFifty, 100)
		got := ""
		if is {
			got = fmt.Sprint(o.Answer, " ", o.Came, " ", o.Help, " ", o.Manner)
			if err := o.Valid(100); err != nil {
				t.Errorf("%s: %v", c.name, err)
			}
		}
		if got != c.want {
			t.Errorf("%s: %q, wanted %q", c.name, got, c.want)
		}
	}
}

// Slates that nobody marked are right by default, of those who are here; what nobody read is
// not counted.
func TestAllSlates(t *testing.T) {
	l, err := lesson.ForAll([]lesson.Item{flashed(24)}, material.Beads, seats(5))
	if err != nil {
		t.Fatal(err)
	}
	c := l.Children
	marked := []lesson.Slate{{Child: c[3], Mark: lesson.NotRead}, {Child: c[1], Mark: lesson.Other, Answer: "42"}}
	got := l.AllSlates(marked, map[string]bool{c[0]: true, c[1]: true, c[3]: true, c[4]: true})
	want := []lesson.Slate{{Child: c[0], Mark: lesson.ByDefault}, marked[1], marked[0], {Child: c[4], Mark: lesson.ByDefault}}
	if !slices.Equal(got, want) {
		t.Errorf("%v, wanted %v", got, want)
	}
	if right, read := l.RightOf(0, got); right != 2 || read != 3 {
		t.Errorf("%d of %d right", right, read)
	}
}

// The digits in reverse are offered as core/slip gives them.
func TestReversed(t *testing.T) {
	for text, want := range map[string]string{"24 rack-100 write": "42", "40 rack-100 write": "", "44 rack-100 write": "", "7 rack-10 write": ""} {
		a, err := number.Parse(text)
		if err != nil {
			t.Fatal(err)
		}
		if got := (lesson.Item{Task: a.Task()}).Reversed(); got != want {
			t.Errorf("%s: %q, wanted %q", text, got, want)
		}
	}
	if got := (lesson.Item{Task: problem.SumOf(47, 25).Task()}).Reversed(); got != "27" {
		t.Errorf("72: %q", got)
	}
}

// Numbers are worked by a whole class in their own way: with material in each hand, seen, or in
// the head; words alone are in the head.
func TestMannersOfAWholeClass(t *testing.T) {
	for text, want := range map[string]book.Manner{
		"47 numeral push": book.Pieces, "17 frames say": book.Drawn, "43 drawn write": book.Drawn, "67 rack-100 write": book.Drawn, "46 said write": book.Head, "34 riddle write": book.Head, "47 numeral expanded": book.Head, "80 numeral how-many": book.Head,
	} {
		a, err := number.Parse(text)
		if err != nil {
			t.Fatal(err)
		}
		l, err := lesson.ForAll([]lesson.Item{{Task: a.Task(), Stage: number.StageOf(a)}}, material.Beads, nil)
		if err != nil {
			t.Fatal(err)
		}
		if got := l.Key(0).Manner; got != want {
			t.Errorf("%s: %s, wanted %s", text, got, want)
		}
	}
}

// Everybody has a seat of its own: the one that was kept, or the first that is free.
func TestSit(t *testing.T) {
	for n := range 40 {
		known := map[string]lesson.Spot{"child-0": {X: 3, Y: 1}, "child-2": {X: 0, Y: 0}, "gone": {X: 1, Y: 0}}
		at := lesson.Sit(known, seats(n))
		taken := map[lesson.Spot]bool{}
		for child, spot := range at {
			if taken[spot] || known[child] != (lesson.Spot{}) && known[child] != spot {
				t.Errorf("%d children: %s sits at %v", n, child, spot)
			}
			taken[spot] = true
		}
		if len(at) != n {
			t.Errorf("%d of %d children have a seat", len(at), n)
		}
	}
}
