package lesson_test

import (
	"errors"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/lesson"
	"vineswap/core/material"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/say"
	"vineswap/core/task"
	"vineswap/core/trace"
)

// lacking gives each child what it lacks, whatever the stage.
func lacking(lacks ...lesson.Lack) func(ladder.Key) []lesson.Lack {
	return func(ladder.Key) []lesson.Lack { return lacks }
}

func swaps(places ...place.Place) []task.Skill {
	var skills []task.Skill
	for _, p := range places {
		skills = append(skills, problem.Swap(p))
	}
	return skills
}

// partsOf writes who works what at a task: "ones hundreds, tens".
func partsOf(l lesson.Lesson, nth int) string {
	parts := make([]string, len(l.Children))
	for seat := range l.Children {
		part, had := l.Part(nth, seat)
		switch {
		case !had:
			parts[seat] = "-"
		case part == 0:
			parts[seat] = "all"
		default:
			parts[seat] = part.String()
		}
	}
	return strings.Join(parts, ", ")
}

// The swap goes to who lacks it; else the turn passes with each place, and on with each task.
func TestDeal(t *testing.T) {
	none := lesson.Lack{}
	for name, c := range map[string]struct {
		text  string
		lacks []lesson.Lack
		want  string
	}{
		"one child has all":                       {"27+45", []lesson.Lack{{Skills: swaps(place.Ones)}}, "all"},
		"nothing is lacked":                       {"368+275", []lesson.Lack{none, none}, "ones hundreds, tens"},
		"the second lacks the ones":               {"368+275", []lesson.Lack{none, {Skills: swaps(place.Ones)}}, "tens, ones hundreds"},
		"each lacks one":                          {"368+275", []lesson.Lack{{Skills: swaps(place.Tens)}, {Skills: swaps(place.Ones)}}, "tens, ones hundreds"},
		"one lacks two and the other none":        {"368+275", []lesson.Lack{{Skills: swaps(place.Ones, place.Tens)}, none}, "ones tens, hundreds"},
		"three lack the same":                     {"368+275", []lesson.Lack{{Skills: swaps(place.Ones)}, {Skills: swaps(place.Ones)}, {Skills: swaps(place.Ones)}}, "ones, tens, hundreds"},
		"fewest beads have the swap":              {"27+45", []lesson.Lack{{Beads: 5 * ladder.Bead}, {Beads: 2 * ladder.Bead}}, "tens, ones"},
		"a child more than places":                {"27+45", []lesson.Lack{none, none, none}, "ones, tens, -"},
		"over a zero it is the ones' swap":        {"503-128", []lesson.Lack{none, {Skills: swaps(place.Tens)}, none}, "tens, ones, hundreds"},
		"sharing begins with the highest":         {"736/4", []lesson.Lack{none, {Skills: swaps(place.Hundreds)}}, "tens, ones hundreds"},
		"one fact is one child's":                 {"8+5", []lesson.Lack{none, none}, "all, -"},
		"groups are taken off in turn":            {"22:5", []lesson.Lack{none, none}, "all, all"},
		"four children, four places, two lacking": {"1458+2367", []lesson.Lack{none, {Skills: swaps(place.Tens)}, none, {Skills: swaps(place.Ones)}}, "thousands, tens, hundreds, ones"},
	} {
		t.Run(name, func(t *testing.T) {
			names := []string{"a", "b", "c", "d"}[:len(c.lacks)]
			if got := partsOf(opened(t, c.text, names...).Deal(lacking(c.lacks...)), 0); got != c.want {
				t.Errorf("%s; want %s", got, c.want)
			}
		})
	}
	l, err := lesson.New(lesson.Items("", problem.SumOf(27, 45), problem.SumOf(38, 46)), material.Beads, []string{"a", "b"})
	if err != nil {
		t.Fatal(err)
	}
	if l.Dealt() {
		t.Error("dealt before it is")
	}
	if l = l.Deal(lacking(none, none)); !l.Dealt() || partsOf(l, 0) != "ones, tens" || partsOf(l, 1) != "tens, ones" {
		t.Errorf("%s, then %s", partsOf(l, 0), partsOf(l, 1))
	}
}

// Over seeded problems and lacks: each place is just one child's; as many have a turn as can;
// no other way of dealing serves more of what is lacked; and roles, turns on the mat and rows
// say the same.
func TestDealing(t *testing.T) {
	rng := rand.New(rand.NewPCG(3, 18))
	for range 300 {
		p := problem.SumOf(place.Number(100+rng.IntN(9_900)), place.Number(10+rng.IntN(9_000)))
		if rng.IntN(2) == 0 {
			p = problem.DifferenceOf(max(p.Numbers[0], p.Numbers[1]), min(p.Numbers[0], p.Numbers[1]))
		}
		children := []string{"a", "b", "c", "d"}[:2+rng.IntN(3)]
		lacks := make([]lesson.Lack, len(children))
		for i := range lacks {
			for _, s := range p.Shows() {
				if rng.IntN(2) == 0 {
					lacks[i].Skills = append(lacks[i].Skills, s)
				}
			}
			lacks[i].Beads = ladder.Beads(rng.IntN(56))
		}
		l, err := lesson.New(lesson.Items("", p), material.Beads, children)
		if err != nil {
			t.Fatal(err)
		}
		l = l.Deal(lacking(lacks...))
		view, err := l.Open(say.Words{}, trace.Method{})
		if err != nil {
			t.Fatal(err)
		}
		var all place.Set
		had, served := 0, 0
		rows := l.Rows(0, nil)
		for seat := range children {
			part, _ := l.Part(0, seat)
			if part&all != 0 {
				t.Fatalf("%v: a place of two children", p)
			}
			all |= part
			if part != 0 {
				had++
			}
			served += shared(lacks[seat].Skills, p.ShowsIn(part))
			if rows[seat].Part != part || rows[seat].Turn != (part != 0) {
				t.Fatalf("%v: the row says %v of %v", p, rows[seat].Part, part)
			}
			for i, s := range view.Trace.Steps {
				if s.At.Phase == trace.Work && part.Has(s.At.Place) != (view.Turns[i] == seat) {
					t.Fatalf("%v: the mat says otherwise at %v", p, s.At)
				}
			}
			for _, at := range part.Places() {
				if !strings.Contains(view.Roles[seat], at.String()) {
					t.Fatalf("%v: %s works the %v", p, view.Roles[seat], at)
				}
			}
		}
		if parts := p.Parts(); len(all.Places()) != len(parts) || had != min(len(parts), len(children)) {
			t.Fatalf("%v: %v, %d of %d with a turn", p, all, had, len(children))
		}
		if most := mostServed(p, lacks); served != most {
			t.Fatalf("%v: %d of what is lacked is shown, %d could be", p, served, most)
		}
	}
}

func shared(a, b []task.Skill) (n int) {
	for _, s := range a {
		if slices.Contains(b, s) {
			n++
		}
	}
	return n
}

// mostServed tries all ways of dealing one after another, by recursion.
func mostServed(p problem.Problem, lacks []lesson.Lack) (most int) {
	parts := p.Parts()
	mine := make([]place.Set, len(lacks))
	var deal func(i int)
	deal = func(i int) {
		if i < len(parts) {
			for seat := range lacks {
				mine[seat] |= place.SetOf(parts[i])
				deal(i + 1)
				mine[seat] &^= place.SetOf(parts[i])
			}
			return
		}
		served, had := 0, 0
		for seat, part := range mine {
			served += shared(lacks[seat].Skills, p.ShowsIn(part))
			if part != 0 {
				had++
			}
		}
		if had == min(len(parts), len(lacks)) {
			most = max(most, served)
		}
	}
	deal(0)
	return most
}

// What was worked stays as it was worked when somebody comes or goes; what is to come is
// dealt anew.
func TestReseating(t *testing.T) {
	l, err := lesson.New(lesson.Items("", problem.SumOf(27, 45), problem.SumOf(38, 46)), material.Beads, []string{"a", "b"})
	if err != nil {
		t.Fatal(err)
	}
	second := 1
	l, err = l.Deal(lacking(lesson.Lack{}, lesson.Lack{})).With(lesson.Change{Nth: &second})
	if err != nil {
		t.Fatal(err)
	}
	more, err := l.With(lesson.Change{Children: []string{"c", "a", "b"}})
	if err != nil {
		t.Fatal(err)
	}
	if more = more.Deal(lacking(lesson.Lack{}, lesson.Lack{}, lesson.Lack{})); partsOf(more, 0) != "-, ones, tens" || partsOf(more, 1) != "-, ones, tens" {
		t.Errorf("with one more: %s; then %s", partsOf(more, 0), partsOf(more, 1))
	}
	fewer, err := more.With(lesson.Change{Children: []string{"b"}})
	if err != nil || partsOf(fewer, 0) != "all" {
		t.Errorf("with one alone: %s, %v", partsOf(fewer, 0), err)
	}
}

// What the mat saw proposes the help, of each child by its own places; the least independent
// counts.
func TestHelpByWhatTheMatSaw(t *testing.T) {
	saw := func(sights ...string) []lesson.Sighting {
		var list []lesson.Sighting
		for _, s := range sights {
			position, how, _ := strings.Cut(s, " ")
			list = append(list, lesson.Sighting{At: *at(t, position), How: lesson.Sight(how)})
		}
		return list
	}
	for name, c := range map[string]struct {
		text string
		saw  []lesson.Sighting
		want string
	}{
		"nothing":                 {"27+45", nil, "alone, alone, shown"},
		"all shown at once":       {"27+45", saw("work/ones/0 led", "work/tens/0 led"), "together, together, shown"},
		"one asked, one shown":    {"27+45", saw("work/ones/0 asked", "work/ones/1 asked", "work/tens/0 led"), "nudged, together, shown"},
		"asked, then shown once":  {"27+45", saw("work/ones/0 asked", "work/ones/1 led", "work/ones/2 asked"), "together, alone, shown"},
		"laying out says nothing": {"27+45", saw("lay-out/1 led", "join/0 led"), "alone, alone, shown"},
		"one fact":                {"8+5", saw("work/ones/0 asked"), "nudged, shown, shown"},
		"swaps first":             {"62-38", saw("swaps/ones/1 led", "work/tens/0 asked"), "together, nudged, shown"},
		"in the child's hands":    {"342", saw("lay-out/0 hands"), "alone, shown, shown"},
		"and something put right": {"342", saw("lay-out/0 hands", "lay-out/0 told"), "nudged, shown, shown"},
	} {
		t.Run(name, func(t *testing.T) {
			given, err := task.Parse(c.text)
			if err != nil {
				t.Fatal(err)
			}
			l, err := lesson.New([]lesson.Item{{Task: given}}, material.Beads, []string{"a", "b", "c"})
			if err == nil {
				l, err = l.With(lesson.Change{Saw: c.saw})
			}
			if err != nil {
				t.Fatal(err)
			}
			var helps []string
			for _, r := range l.Rows(0, nil) {
				helps = append(helps, string(r.Help))
			}
			if got := strings.Join(helps, ", "); got != c.want {
				t.Errorf("%s; want %s", got, c.want)
			}
		})
	}
}

// What an adult wrote instead is proposed again where the mat saw the same, and not where it
// saw something else.
func TestWrittenInsteadBefore(t *testing.T) {
	l, err := lesson.New(lesson.Items("", problem.SumOf(27, 45), problem.SumOf(38, 46)), material.Beads, []string{"a"})
	if err != nil {
		t.Fatal(err)
	}
	led := lesson.Sighting{At: *at(t, "work/ones/0"), How: lesson.Led}
	asked := lesson.Sighting{At: *at(t, "work/ones/0"), How: lesson.Asked}
	second := 1
	for how, want := range map[lesson.Sighting]book.Help{led: book.Alone, asked: book.Nudged} {
		l, err := l.With(lesson.Change{Saw: []lesson.Sighting{led}})
		if err == nil {
			l, err = l.With(lesson.Change{Nth: &second})
		}
		if err == nil {
			l, err = l.With(lesson.Change{Saw: []lesson.Sighting{how}})
		}
		if err != nil {
			t.Fatal(err)
		}
		written := []book.Record{{ID: "1", Learner: "a", Observation: book.Observation{Help: book.Alone, Manner: book.Head}}}
		if row := l.Rows(1, written)[0]; row.Help != want || row.Manner != book.Head {
			t.Errorf("%s: %s, %s; want %s", how.How, row.Help, row.Manner, want)
		}
	}
}

// One more task shows what a child lacks, where there is one that does.
func TestAnotherForTheLack(t *testing.T) {
	l := opened(t, "523-138", "a", "b")
	for _, c := range []struct {
		lacks []lesson.Lack
		wish  lesson.Wish
	}{
		{[]lesson.Lack{{}, {}}, lesson.Wish{}},
		{[]lesson.Lack{{}, {Skills: swaps(place.Tens)}}, lesson.Wish{Skill: problem.Swap(place.Tens), Seat: 1}},
		{[]lesson.Lack{{Skills: swaps(place.Ones), Beads: 9}, {Skills: swaps(place.Tens)}}, lesson.Wish{Skill: problem.Swap(place.Tens), Seat: 1}},
		{[]lesson.Lack{{Skills: swaps(place.Hundreds)}, {}}, lesson.Wish{}},  // three digits swap nothing into the hundreds
		{[]lesson.Lack{{Skills: swaps(place.Thousands)}, {}}, lesson.Wish{}}, // and have no thousands
		{[]lesson.Lack{{Skills: []task.Skill{"how-many-tens"}}, {Skills: swaps(place.Ones)}}, lesson.Wish{Skill: problem.Swap(place.Ones), Seat: 1}},
	} {
		for seed := range uint64(5) {
			item, wish, err := l.Another(seed, c.lacks)
			if err != nil || wish != c.wish || wish.Skill != "" && !slices.Contains(item.Task.Shows(), wish.Skill) {
				t.Errorf("%v for %+v: %v, %+v, %v", c.lacks, c.wish, item.Task, wish, err)
			}
		}
	}
}

// A task that is to be drawn is drawn whatever lies ready, and the rows say so; another
// material taken in hand ends that.
func TestManner(t *testing.T) {
	items := lesson.Items(choose.OneSwapOnes, problem.SumOf(27, 45), problem.SumOf(38, 46), problem.SumOf(19, 35))
	items[1].Manner, items[2].Manner = book.Drawn, book.Head
	l, err := lesson.New(items, material.Beads, []string{"a"})
	if err != nil {
		t.Fatal(err)
	}
	if l.InHand(0) != material.Beads || l.InHand(1) != material.Drawings || l.InHand(2) != material.Beads {
		t.Errorf("%v, %v, %v", l.InHand(0), l.InHand(1), l.InHand(2))
	}
	if m := []book.Manner{l.Rows(0, nil)[0].Manner, l.Rows(1, nil)[0].Manner, l.Rows(2, nil)[0].Manner}; !slices.Equal(m, []book.Manner{book.Pieces, book.Drawn, book.Head}) {
		t.Errorf("rows begin %v", m)
	}
	second := 1
	l, err = l.With(lesson.Change{Nth: &second, Material: to(material.Blocks)})
	if err == nil {
		l, err = l.With(lesson.Change{Material: to(material.Blocks)})
	}
	if err != nil || l.InHand(1) != material.Blocks || l.Rows(1, nil)[0].Manner != book.Pieces {
		t.Errorf("%v, %v", l.InHand(1), err)
	}
	items[0].Manner = "standing"
	if _, err := lesson.New(items, material.Beads, nil); !errors.Is(err, book.ErrManner) {
		t.Errorf("a manner that there is not: %v", err)
	}
}

// The two tasks by which material is left are worked by each child whole; one more like them is
// dealt again.
func TestLeavingIsEachChildsOwn(t *testing.T) {
	items := lesson.Items(choose.OneSwapOnes, problem.SumOf(27, 45), problem.SumOf(38, 16), problem.SumOf(19, 35))
	items[0].Manner, items[1].Manner, items[2].Manner = book.Pieces, book.Drawn, book.Drawn
	l, err := lesson.New(items, material.Beads, []string{"a", "b", "c"})
	if err != nil {
		t.Fatal(err)
	}
	l = l.Deal(lacking(lesson.Lack{}, lesson.Lack{}, lesson.Lack{}))
	if !l.Dealt() || partsOf(l, 0) != "all, all, all" || partsOf(l, 1) != "all, all, all" || partsOf(l, 2) == "all, all, all" {
		t.Errorf("%s; %s; %s", partsOf(l, 0), partsOf(l, 1), partsOf(l, 2))
	}
	l, err = l.With(lesson.Change{Saw: []lesson.Sighting{{At: *at(t, "work/tens/0"), How: lesson.Asked}}})
	if err != nil {
		t.Fatal(err)
	}
	for _, row := range l.Rows(0, nil) {
		if row.Help != book.Nudged || row.Part != 0 || !row.Turn {
			t.Errorf("%+v", row)
		}
	}
	v, err := l.Open(say.Words{}, trace.Method{})
	if err != nil || !v.Each || !strings.HasSuffix(v.Roles[2], "works the ones and the tens, keeps the bank") || slices.ContainsFunc(v.Turns[6:], func(turn int) bool { return turn >= 0 }) {
		t.Errorf("%v, %v, %v", v.Roles, v.Turns, err)
	}
}

// A lesson of four with six digits: dealing tries every way.
func BenchmarkDeal(b *testing.B) {
	l, err := lesson.New(lesson.Items("", problem.SumOf(456_789, 987_654)), material.Beads, []string{"a", "b", "c", "d"})
	if err != nil {
		b.Fatal(err)
	}
	lacks := slices.Repeat([]lesson.Lack{{Skills: swaps(place.Ones, place.Tens, place.Hundreds)}}, 4)
	for b.Loop() {
		if dealt := l.Deal(lacking(lacks...)); dealt.Items[0].Turns == nil {
			b.Fatal("nothing is dealt")
		}
	}
}
