package lesson_test

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"vineswap/core/book"
	"vineswap/core/lesson"
	"vineswap/core/material"
	"vineswap/core/problem"
	"vineswap/core/say"
)

// The rows of a task: as the mat saw it, as it was seen before, as it is written.
func TestRows(t *testing.T) {
	l, err := lesson.New(lesson.Items("", problem.SumOf(38, 25), problem.SumOf(47, 25)), material.Beads, []string{"w", "j"})
	if err != nil {
		t.Fatal(err)
	}
	record := func(id string, nth int, spoil func(*book.Record)) book.Record {
		r := book.Record{Observation: book.Observation{Task: l.Items[nth].Task, Manner: book.Column, Help: book.Nudged, Answer: "62", Came: book.Typed, Runs: 1}, ID: id, Learner: "w", Nth: nth}
		if spoil != nil {
			spoil(&r)
		}
		return r
	}
	for name, c := range map[string]struct {
		records      []book.Record
		help, manner string // of the first child's row
		runs, kept   int
		written      bool
	}{
		"nothing yet":           {nil, "alone", "pieces", 1, 0, false},
		"as at the task before": {[]book.Record{record("a", 0, nil)}, "nudged", "column", 1, 0, false},
		"written":               {[]book.Record{record("a", 1, nil)}, "alone", "pieces", 2, 1, true},
		"undone": {[]book.Record{record("a", 1, nil), record("b", 1, func(r *book.Record) { r.Withdrawn, r.Replaces = true, "a" })},
			"alone", "pieces", 1, 0, false},
		"let go from the first": {[]book.Record{record("a", 1, func(r *book.Record) { r.Withdrawn = true })}, "alone", "pieces", 2, 1, true},
		"corrected": {[]book.Record{record("a", 1, nil), record("b", 1, func(r *book.Record) { r.Replaces = "a" })},
			"alone", "pieces", 2, 1, true},
		"corrected before": {[]book.Record{record("a", 0, nil), record("b", 0, func(r *book.Record) { r.Replaces, r.Help = "a", book.Together })},
			"together", "column", 1, 0, false},
		"two runs":                     {[]book.Record{record("a", 1, nil), record("b", 1, func(r *book.Record) { r.Runs = 2 })}, "alone", "pieces", 3, 2, true},
		"another child's is no matter": {[]book.Record{record("a", 1, func(r *book.Record) { r.Learner = "x" })}, "alone", "pieces", 1, 0, false},
	} {
		row := l.Rows(1, c.records)[0]
		if string(row.Help) != c.help || string(row.Manner) != c.manner || row.Runs != c.runs || len(row.Kept) != c.kept || row.Written() != c.written {
			t.Errorf("%s: %+v", name, row)
		}
	}
}

func TestUsualManner(t *testing.T) {
	for want, c := range map[book.Manner]struct {
		p    problem.Problem
		kind material.Kind
	}{
		book.Pieces: {problem.SumOf(47, 25), material.Blocks}, book.Drawn: {problem.SumOf(47, 25), material.Drawings}, book.Column: {problem.SumOf(40_960, 9_870), material.Beads},
	} {
		if got := lesson.UsualManner(c.p.Task(), c.kind); got != want {
			t.Errorf("%v with %s is worked %s", c.p, c.kind, got)
		}
	}
}

// The mat has seen what was worked, and nothing before it.
func TestSaw(t *testing.T) {
	l := opened(t, "47+25", "w", "j")
	if saw := l.Saw(0, say.Words{}); len(saw) != 0 {
		t.Errorf("before anything is counted: %+v", saw)
	}
	at := at(t, "work/ones/1")
	stand := lesson.OnTheMat
	l, _ = l.With(lesson.Change{Stand: &stand, At: at})
	if saw := l.Saw(0, say.Words{}); fmt.Sprint(saw) != "[{0 ones 12 counted, one swap: 2 stay}]" {
		t.Errorf("after the ones: %+v", saw)
	}
}

// What is still to be written: at tasks that were worked.
func TestUnwritten(t *testing.T) {
	held := func(stand lesson.Stand, nth int) lesson.Held {
		return lesson.Held{ID: "l", Items: 2, Nth: nth, Stand: stand, Children: []string{"w", "j"}}
	}
	written := book.Record{ID: "a", Lesson: "l", Learner: "w", Nth: 0}
	undone := book.Record{ID: "b", Replaces: "a", Lesson: "l", Learner: "w", Nth: 0, Withdrawn: true}
	letGo := book.Record{ID: "c", Lesson: "l", Learner: "j", Nth: 1, Withdrawn: true}
	for name, c := range map[string]struct {
		held    lesson.Held
		records []book.Record
		want    int
	}{
		"while it is gathered":    {held(lesson.Gathering, 0), nil, 0},
		"on the first task":       {held(lesson.OnTheMat, 0), nil, 0},
		"ended at the first":      {held(lesson.Ended, 0), nil, 2},
		"gone on to the second":   {held(lesson.OnTheMat, 1), nil, 2},
		"ended":                   {held(lesson.Ended, 1), nil, 4},
		"one written":             {held(lesson.Ended, 1), []book.Record{written}, 3},
		"and undone":              {held(lesson.Ended, 1), []book.Record{written, undone}, 4},
		"one with nothing to say": {held(lesson.Ended, 1), []book.Record{written, letGo}, 2},
	} {
		got, written := c.held.Worked(), book.Written(c.records)
		got = slices.DeleteFunc(got, func(spot book.Spot) bool { return written[spot] })
		if len(got) != c.want {
			t.Errorf("%s: %+v, wanted %d", name, got, c.want)
		}
	}
}

// Where a lesson is on its ribbon, and what is done next.
func TestNow(t *testing.T) {
	stand, ended := lesson.OnTheMat, lesson.Ended
	for name, c := range map[string]struct {
		children []string
		change   lesson.Change
		want     string
	}{
		"gathered":     {[]string{"w"}, lesson.Change{}, "1 The numbers are chosen. Next, gather the pieces. | Estimate"},
		"in the midst": {nil, lesson.Change{Stand: &stand, At: at(t, "work/ones/0")}, "5 Seven ones plus five ones. Count to ten, and stop. | Gather ten ones"},
		"at the end":   {[]string{"w"}, lesson.Change{Stand: &stand, At: at(t, "check/1")}, "8 Take 25 away from 72 again: 47 must be left. | Write up who did what"},
		"a rehearsal":  {nil, lesson.Change{Stand: &stand, At: at(t, "check/1")}, "8 Take 25 away from 72 again: 47 must be left. | Finish the lesson"},
		"it has ended": {[]string{"w"}, lesson.Change{Stand: &ended}, "9 Take 25 away from 72 again: 47 must be left. | "},
	} {
		l, err := opened(t, "47+25", c.children...).With(c.change)
		if err != nil {
			t.Fatal(err)
		}
		v, err := l.Open(say.Words{}, c.change.Method)
		if err != nil {
			t.Fatal(err)
		}
		now := l.Now(v, say.Words{}, len(c.children))
		if got := strings.ReplaceAll(fmt.Sprintf("%d %s | %s", now.Mark, now.Said, now.Next), "\u00a0", " "); got != c.want {
			t.Errorf("%s: %q", name, got)
		}
	}
}
