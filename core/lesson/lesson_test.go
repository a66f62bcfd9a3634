package lesson_test

import (
	"errors"
	"fmt"
	"strings"
	"testing"

	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/lesson"
	"vineswap/core/material"
	"vineswap/core/paper"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/say"
	"vineswap/core/swap"
	"vineswap/core/trace"
)

func opened(t *testing.T, text string, children ...string) lesson.Lesson {
	t.Helper()
	p, err := problem.Parse(text)
	if err != nil {
		t.Fatal(err)
	}
	l, err := lesson.New(lesson.Items("", p), material.Beads, children)
	if err != nil {
		t.Fatal(err)
	}
	return l
}

func TestNew(t *testing.T) {
	l := opened(t, "1458+2367", "wren", "jory")
	if l.Stand != lesson.Gathering || l.At.String() != "before/0" {
		t.Errorf("opened as %+v", l)
	}
	for _, c := range []struct {
		name     string
		problems []problem.Problem
		children []string
		err      error
	}{
		{"no problem", nil, nil, lesson.ErrNothing},
		{"taking more than there is", []problem.Problem{problem.DifferenceOf(1, 10_000)}, nil, problem.ErrLarger},
		{"a problem of another kind", []problem.Problem{{Kind: "riddle"}}, nil, problem.ErrKind},
		{"five children", []problem.Problem{problem.SumOf(1, 2)}, []string{"a", "b", "c", "d", "e"}, lesson.ErrChildren},
		{"a child twice", []problem.Problem{problem.SumOf(1, 2)}, []string{"a", "a"}, lesson.ErrTwice},
	} {
		t.Run(c.name, func(t *testing.T) {
			if _, err := lesson.New(lesson.Items("", c.problems...), material.Beads, c.children); !errors.Is(err, c.err) {
				t.Errorf("got %v, want %v", err, c.err)
			}
		})
	}
}

func at(t *testing.T, text string) *trace.Position {
	t.Helper()
	pos, err := trace.ParsePosition(text)
	if err != nil {
		t.Fatal(err)
	}
	return &pos
}

func to[T any](v T) *T { return &v }

func TestWith(t *testing.T) {
	l := opened(t, "47+25", "wren")
	l, err := l.With(lesson.Change{Stand: to(lesson.OnTheMat), At: at(t, "work/tens/1"), Material: to(material.Blocks)})
	if err != nil || l.Stand != lesson.OnTheMat || l.At.String() != "work/tens/1" || l.Material != material.Blocks || len(l.Children) != 1 {
		t.Fatalf("%+v, %v", l, err)
	}
	if l, _ = l.With(lesson.Change{At: at(t, "work/thousands/5")}); l.At.Phase != trace.Work {
		t.Errorf("a step that this problem lacks led to %v", l.At)
	}
	if none, err := l.With(lesson.Change{Children: []string{}}); err != nil || len(none.Children) != 0 {
		t.Errorf("everybody sent away: %v, %v", none.Children, err)
	}
	if _, err := l.With(lesson.Change{Stand: to(lesson.Stand("asleep"))}); !errors.Is(err, lesson.ErrStand) {
		t.Errorf("a stand that is none: %v", err)
	}
	ended, _ := l.With(lesson.Change{Stand: to(lesson.Ended)})
	if _, err := ended.With(lesson.Change{At: at(t, "read/0")}); !errors.Is(err, lesson.ErrEnded) {
		t.Errorf("an ended lesson was changed: %v", err)
	}
}

func TestTurnsAndRoles(t *testing.T) {
	for _, c := range []struct {
		names []string
		turns string
		roles string
	}{
		{nil, "- - - - -", ""},
		{[]string{"Wren"}, "0 0 0 0 0", "builds 368 and 275, works the ones, the tens and the hundreds"},
		{[]string{"Wren", "Jory"}, "0 1 0 1 0", "builds 368, works the ones and the hundreds; builds 275, works the tens"},
		{[]string{"Wren", "Jory", "Mina"}, "0 1 0 1 2", "builds 368, works the ones; builds 275, works the tens; works the hundreds, keeps the bank"},
		{[]string{"Wren", "Jory", "Mina", "Ivo"}, "0 1 0 1 2", "builds 368, works the ones; builds 275, works the tens; works the hundreds, keeps the bank; lays the large cards"},
	} {
		t.Run(fmt.Sprint(len(c.names)), func(t *testing.T) {
			v, err := opened(t, "368+275", c.names...).Open(say.Words{}, trace.Method{})
			if err != nil {
				t.Fatal(err)
			}
			var turns []string
			for i, s := range v.Trace.Steps {
				if s.Kind == swap.Build || s.Kind == swap.CountUp {
					turns = append(turns, strings.ReplaceAll(fmt.Sprint(v.Turns[i]), "-1", "-"))
				}
			}
			if got := strings.Join(turns, " "); got != c.turns {
				t.Errorf("turns %s, want %s", got, c.turns)
			}
			if got := strings.Join(v.Roles, "; "); got != c.roles {
				t.Errorf("roles %q, want %q", got, c.roles)
			}
		})
	}
}

// Roles and turns of the other operations: who builds equal trays, who works which
// place from the highest on, and groups that are taken off in turn.
func TestTurnsOfOtherWork(t *testing.T) {
	for _, c := range []struct {
		text  string
		kind  trace.StepKind
		turns string
		roles string
		top   place.Place
	}{
		{"26*3", swap.Build, "0 1 0", "builds 26 on two trays, works the ones; builds 26, works the tens", place.Tens},
		{"736/4", swap.Write, "0 1 0", "builds 736, works the hundreds and the ones; works the tens", place.Hundreds},
		{"22:5", swap.TakeGroup, "0 1 0 1", "builds 22, takes groups off; takes groups off", place.Tens},
		{"40960+9870", swap.CountUp, "0 1 0 1 0", "builds 40960, works the ones, the hundreds and the ten-thousands; builds 9870, works the tens and the thousands", place.TenThousands},
	} {
		t.Run(c.text, func(t *testing.T) {
			v, err := opened(t, c.text, "Wren", "Jory").Open(say.Words{}, trace.Method{})
			if err != nil {
				t.Fatal(err)
			}
			var turns []string
			for i, s := range v.Trace.Steps {
				if s.Kind == c.kind {
					turns = append(turns, fmt.Sprint(v.Turns[i]))
				}
			}
			if got := strings.Join(turns, " "); got != c.turns || strings.Join(v.Roles, "; ") != c.roles || v.Top() != c.top {
				t.Errorf("turns %s, roles %q, top %v", got, v.Roles, v.Top())
			}
		})
	}
}

// Within a place the turn never changes, and every child has one as soon as
// there are as many places.
func TestEveryChildHasATurn(t *testing.T) {
	for n := 1; n <= lesson.MostChildren; n++ {
		names := []string{"a", "b", "c", "d"}[:n]
		v, err := opened(t, "1458+2367", names...).Open(say.Words{}, trace.Method{})
		if err != nil {
			t.Fatal(err)
		}
		had := map[int]bool{}
		byPlace := map[place.Place]int{}
		for i, s := range v.Trace.Steps {
			if s.At.Phase != trace.Work {
				continue
			}
			had[v.Turns[i]] = true
			if before, ok := byPlace[s.At.Place]; ok && before != v.Turns[i] {
				t.Fatalf("%d children: the turn changes within the %v", n, s.At.Place)
			}
			byPlace[s.At.Place] = v.Turns[i]
		}
		if len(had) != n {
			t.Errorf("%d children: %d had a turn", n, len(had))
		}
	}
}

func TestOpenFindsTheStep(t *testing.T) {
	l := opened(t, "47+25")
	l, _ = l.With(lesson.Change{At: at(t, "work/ones/2")})
	v, err := l.Open(say.Words{}, trace.Method{})
	if err != nil || v.Trace.Steps[v.Index].Kind != swap.MakeSwap || len(v.Lines) != len(v.Trace.Steps) || v.Needs.Trays != 3 {
		t.Errorf("opened at %d: %v", v.Index, err)
	}
}

// What is drawn is drawn, ringed and crossed out; what lies is built, gathered and
// taken away.
func TestWordsOfTheMaterial(t *testing.T) {
	for _, c := range []struct {
		text        string
		laid, drawn string // what is done, by kind of step
	}{
		{"47+25", "Lay out, Build 47, Push together, Gather ten ones", "Take a sheet, Draw 47, Draw all together, Ring ten ones"},
		{"62-38", "Lay out, Build 62, Take eight ones away", "Take a sheet, Draw 62, Cross eight ones out"},
		{"97/4", "Lay out, Build 97, Share them out", "Take a sheet, Draw 97, Share them out"},
		{"52:4", "Lay out, Build 52, Take four ones off", "Take a sheet, Draw 52, Take four ones off"},
	} {
		for kind, want := range map[material.Kind]string{material.Blocks: c.laid, material.Drawings: c.drawn} {
			l, err := opened(t, c.text).With(lesson.Change{Material: to(kind)})
			if err != nil {
				t.Fatal(err)
			}
			v, err := l.Open(say.Words{}, trace.Method{})
			if err != nil {
				t.Fatal(err)
			}
			var did []string
			seen := map[trace.StepKind]bool{}
			for i, s := range v.Trace.Steps {
				switch s.Kind {
				case swap.SetOut, swap.Build, swap.Join, swap.Stop, swap.TakeAway, swap.Deal, swap.TakeGroup:
					if !seen[s.Kind] {
						did = append(did, v.Lines[i].Do)
					}
					seen[s.Kind] = true
				}
			}
			if got := strings.Join(did, ", "); got != want {
				t.Errorf("%s with %s: %s", c.text, kind, got)
			}
		}
	}
}

// One more task like the one in hand, until there is no other.
func TestAnother(t *testing.T) {
	l := opened(t, "47+25", "wren")
	seen := map[string]bool{"sum:47+25": true}
	for seed := range uint64(8) {
		more, _, err := l.Another(seed, nil)
		if err != nil {
			t.Fatal(err)
		}
		if seen[more.Task.Key()] || ladder.Credit(more.Task, "") != choose.OneSwapOnes || more.Stage != choose.OneSwapOnes || more.Task.Largest() > 99 {
			t.Errorf("%v is not another of its kind", more.Task)
		}
		seen[more.Task.Key()] = true
		if l, err = l.With(lesson.Change{Add: &more}); err != nil || l.Current().Task.Key() != more.Task.Key() || l.Nth != len(l.Items)-1 || l.Stand != lesson.OnTheMat {
			t.Fatalf("%+v, %v", l, err)
		}
	}
	for _, text := range []string{"97/4", "26*3", "503-128"} {
		l := opened(t, text, "wren")
		more, _, err := l.Another(3, nil)
		first, _ := problem.From(l.Items[0].Task)
		if p, of := problem.From(more.Task); err != nil || !of || p.Kind != first.Kind || p.Key() == first.Key() || p.Kind != problem.Difference && p.Numbers[1] != first.Numbers[1] {
			t.Errorf("another like %s: %v, %v", text, p, err)
		}
	}
	if _, _, err := opened(t, "52:4", "wren").Another(3, nil); !errors.Is(err, lesson.ErrNoMore) {
		t.Errorf("another grouping: %v", err)
	}
}

func TestTurningToATask(t *testing.T) {
	l := opened(t, "47+25")
	second := lesson.Items("", problem.DifferenceOf(62, 38))[0]
	l, err := l.With(lesson.Change{Add: &second})
	if err != nil {
		t.Fatal(err)
	}
	first, none := 0, 7
	back, err := l.With(lesson.Change{Nth: &first, At: at(t, "work/ones/1")})
	if err != nil || back.Current().Task.String() != "47+25" || back.At.String() != "work/ones/1" || len(l.Items) != 2 {
		t.Errorf("%+v, %v", back, err)
	}
	if _, err := l.With(lesson.Change{Nth: &none}); !errors.Is(err, lesson.ErrTask) {
		t.Errorf("the eighth of two: %v", err)
	}
	wrong := lesson.Items("", problem.Of(problem.Sharing, 97, 1))[0]
	if _, err := l.With(lesson.Change{Add: &wrong}); !errors.Is(err, problem.ErrSharers) {
		t.Errorf("shared by one: %v", err)
	}
	for len(l.Items) < lesson.MostTasks {
		l.Items = append(l.Items, second)
	}
	if _, err := l.With(lesson.Change{Add: &second}); !errors.Is(err, lesson.ErrFull) {
		t.Errorf("one too many: %v", err)
	}
}

// An estimate is said before anything is counted.
func TestMayEstimate(t *testing.T) {
	for position, want := range map[string]bool{"before/0": true, "check/0": false, "lay-out/0": true, "lay-out/4": true, "join/0": true, "work/ones/0": false, "read/2": false} {
		l, err := opened(t, "47+25").With(lesson.Change{At: at(t, position)})
		if err != nil || l.MayEstimate() != want {
			t.Errorf("%s: %t, %v", position, l.MayEstimate(), err)
		}
	}
}

// The trace, the column at every step and all that is said of it, by both orders
// of swapping.
func BenchmarkTakingOverFourZerosWithColumnAndWords(b *testing.B) {
	p := problem.DifferenceOf(500_003, 123_456)
	words := say.Words{Swap: say.Exchange, And: true, Comma: say.WithComma}
	for b.Loop() {
		for _, order := range []trace.Order{trace.AsNeeded, trace.SwapsFirst} {
			tr, err := swap.By(trace.Method{Order: order}, p)
			if err != nil {
				b.Fatal(err)
			}
			if sheets, lines := (paper.Notation{}).Sheets(tr), words.Trace(tr); len(sheets) != len(lines) {
				b.Fatal("a step has no words, or no column")
			}
		}
	}
}
