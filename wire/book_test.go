package wire_test

import (
	"encoding/json"
	"fmt"
	"math/rand/v2"
	"strings"
	"testing"
	"time"

	"vineswap/core/beads"
	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/group"
	"vineswap/core/ladder"
	"vineswap/core/lesson"
	"vineswap/core/material"
	"vineswap/core/number"
	"vineswap/core/problem"
	"vineswap/core/say"
	"vineswap/core/setting"
	"vineswap/wire"
)

const today = book.Day(20_000)

// kept is a record of Wren at a sum.
func kept(answer string, spoil func(*wire.Kept)) wire.Kept {
	p := problem.SumOf(47, 25)
	k := wire.Kept{
		Record: book.Record{
			Observation: book.Observation{Task: p.Task(), Manner: book.Column, Material: material.Beads, Help: book.Nudged, Answer: answer, Came: book.Typed, Runs: 1, Day: today - 1},
			ID:          "one", Learner: "w", Lesson: "l",
		},
		By: "Hanne", Note: "hums", Current: true, At: time.Date(2024, 10, 3, 9, 15, 0, 0, time.UTC),
	}
	if spoil != nil {
		spoil(&k)
	}
	return k
}

func TestEntry(t *testing.T) {
	wrong := wire.EntryOf(say.Words{}, kept("62", nil), today, true)
	if wrong.Right || fmt.Sprint(wrong.Slips) != "[the ten that came up was not added]" || wrong.DaySays != "yesterday" || wrong.At != "09:15" || wrong.StageName != "one swap, ones" || wrong.InManner != "in the column" {
		t.Errorf("%+v", wrong)
	}
	// A note is for the lead; the others see that there is one.
	if wrong.Note != "hums" || !wrong.HasNote {
		t.Errorf("the lead reads %q", wrong.Note)
	}
	if others := wire.EntryOf(say.Words{}, kept("62", nil), today, false); others.Note != "" || !others.HasNote {
		t.Errorf("others read %q", others.Note)
	}
	if right := wire.EntryOf(say.Words{}, kept("0072", nil), today, true); !right.Right || len(right.Slips) != 0 || right.Answer != "0072" {
		t.Errorf("%+v", right)
	}
	if none := wire.EntryOf(say.Words{}, kept("", nil), today, true); none.Right || len(none.Slips) != 0 {
		t.Errorf("%+v", none)
	}
}

// A task of a lesson: what is to be seen of it, its rows and what the mat saw.
func TestWorked(t *testing.T) {
	children := []wire.Learner{{ID: "w", Name: "Wren A."}, {ID: "j", Name: "Jory P."}}
	made := func(kind material.Kind, p problem.Problem, records ...wire.Kept) wire.Worked {
		l, err := lesson.New(lesson.Items("", p), kind, []string{"w", "j"})
		if err != nil {
			t.Fatal(err)
		}
		l.Stand = lesson.Ended
		entries, kept := map[string]wire.Entry{}, []book.Record{}
		for _, r := range records {
			entries[r.ID], kept = wire.EntryOf(say.Words{}, r, today, true), append(kept, r.Record)
		}
		return wire.WorkedOf(setting.Default(), l, 0, children, l.Rows(0, kept), entries, map[string]wire.SlipSays{})
	}
	sum := made(material.Beads, problem.SumOf(47, 25), kept("62", nil))
	if fmt.Sprint(sum.Saw) != "[{Wren A. ones ones 12 counted, one swap: 2 stay} {Jory P. tens tens 7 counted}]" || sum.Sign != "+" || sum.Answer != 72 {
		t.Errorf("%+v", sum.Saw)
	}
	if row := sum.Rows[0]; len(sum.Rows) != 2 || !row.Written || len(row.Kept) != 1 || row.Kept[0].Answer != "62" || row.Runs != 2 || sum.Rows[1].Written {
		t.Errorf("%+v", sum.Rows)
	}
	taken := made(material.Beads, problem.DifferenceOf(62, 38))
	if fmt.Sprint(taken.Saw) != "[{Wren A. ones ones 12 there after one swap, 8 taken away: 4 stay} {Jory P. tens tens 5 there, 3 taken away: 2 stay}]" || taken.Sign != "−" || taken.Result != "24" {
		t.Errorf("%+v", taken)
	}
	drawn := made(material.Drawings, problem.Of(problem.Sharing, 97, 4))
	if fmt.Sprint(drawn.Saw) != "[{Jory P. tens tens 9 among four: 2 each, 1 left over} {Wren A. ones ones 17 among four: 4 each, 1 left over}]" || drawn.Result != "24 r 1" || drawn.Between.Name != "remainder" || drawn.Rows[0].Manner != "drawn" {
		t.Errorf("sharing, drawn: %+v", drawn)
	}
}

// school is a class that records something every week.
var school = func() ladder.Class {
	c := ladder.Class{Limit: 10_000}
	for w := today.Week() - 20; w <= today.Week(); w++ {
		c.Weeks = append(c.Weeks, w)
	}
	return c
}()

// classOf is a class of children with seeded standings.
func classOf(rng *rand.Rand, n int) []group.Child {
	var children []group.Child
	for i := range n {
		s := ladder.Standings{}
		for _, strand := range ladder.Strands() {
			for _, stage := range ladder.Stages(strand) {
				for _, m := range stage.Manners {
					if rng.IntN(3) == 0 {
						state := []ladder.State{ladder.Shown, ladder.UnderWay, ladder.Secure, ladder.Wobbling}[rng.IntN(4)]
						s[ladder.Key{Stage: stage.ID, Manner: m}] = ladder.Standing{State: state, Beads: ladder.Beads(rng.IntN(57)), Tried: 4, Right: 3, Alone: 3, Days: 2, Last: today - book.Day(rng.IntN(60)), Near: today - book.Day(rng.IntN(60)), Used: today - book.Day(rng.IntN(60)), Since: today - 60, Explained: rng.IntN(9) == 0}
					}
				}
			}
		}
		children = append(children, group.Child{ID: fmt.Sprint("c", i), Name: fmt.Sprintf("Child %c.", 'A'+i), Child: ladder.Child{Standings: s, Class: school}})
	}
	return children
}

// Over seeded classes, in every strand and order: each child stands once, each
// leaf has its lobes, the counts agree, every reason is a sentence, and no null
// crosses the wire.
func TestLawsOfVines(t *testing.T) {
	rng := rand.New(rand.NewPCG(8, 8))
	for n := range 25 {
		children := classOf(rng, n)
		for _, strand := range ladder.Strands() {
			for _, order := range group.Orders() {
				v := wire.VinesOf(say.Words{}, school, children, nil, strand, order, ladder.Stages(strand)[2].ID, today)
				text, err := json.Marshal(v)
				if err != nil || strings.Contains(string(text), "null") {
					t.Fatalf("%.300s, %v", text, err)
				}
				sizes, seen := 0, map[string]bool{}
				for _, g := range v.Groups {
					sizes += g.Size
				}
				for _, c := range v.Columns {
					seen[c.ID] = true
					checkLeaves(t, v, c)
				}
				if sizes != n || len(seen) != n || len(v.Columns) != n || len(v.Stages) != len(school.Stages(strand)) {
					t.Fatalf("%d children: %d in groups, %d in columns", n, sizes, len(v.Columns))
				}
				checkStages(t, v, n)
			}
		}
	}
}

func checkLeaves(t *testing.T, v wire.Vines, c wire.VineColumn) {
	t.Helper()
	if len(c.Leaves) != len(v.Stages) {
		t.Fatalf("%s has %d leaves", c.Name, len(c.Leaves))
	}
	for i, leaf := range c.Leaves {
		if leaf.Stage != v.Stages[i].ID || len(leaf.Lobes) != len(v.Stages[i].Manners) || leaf.Says == "" || !strings.HasSuffix(leaf.Why, ".") {
			t.Fatalf("%s: %+v", c.Name, leaf)
		}
	}
}

func checkStages(t *testing.T, v wire.Vines, n int) {
	t.Helper()
	first := false
	for _, s := range v.Stages {
		first = first || s.ID == v.First
		told := 0
		for _, g := range s.Groups {
			told += len(g.Children)
		}
		for _, secure := range s.Secure {
			if secure > n {
				t.Fatalf("%s: %d of %d are secure", s.ID, secure, n)
			}
		}
		_, err := choose.ParseStage(s.ID)
		if told > n || len(s.Plan.Children) > lesson.MostChildren || s.Plan.Draws != (err == nil && choose.StageID(s.ID).Laid() || number.Within(choose.StageID(s.ID), 0) || beads.Has(choose.StageID(s.ID))) || s.Example == "" || s.Plan.Says == "" {
			t.Fatalf("%+v", s)
		}
	}
	if !first {
		t.Fatalf("there is no stage %q to look at first", v.First)
	}
}

// A child's page holds every stage of every strand, with a reason for each manner.
func TestBranches(t *testing.T) {
	rng := rand.New(rand.NewPCG(9, 9))
	for _, c := range classOf(rng, 12) {
		for i, b := range wire.BranchesOf(say.Words{}, c.Child, today) {
			strand := ladder.Strands()[i]
			if b.ID != string(strand) || len(b.Stages) != len(school.Stages(strand)) {
				t.Fatalf("%+v", b)
			}
			for _, n := range b.Stages {
				if len(n.Lobes) != len(n.Manners) || n.Name == "" {
					t.Errorf("%+v", n)
				}
				for _, lobe := range n.Lobes {
					if lobe.Says == "" || !strings.HasSuffix(lobe.Why, ".") {
						t.Errorf("%s: %+v", n.Name, lobe)
					}
				}
			}
		}
		for _, step := range wire.StepsOf(say.Words{}, c.Child, today) {
			if step.Do == "" || !strings.HasSuffix(step.Why, ".") {
				t.Errorf("%+v", step)
			}
		}
	}
	others := wire.OthersOf(classOf(rng, 12), today)
	for i := 1; i < len(others); i++ {
		if others[i-1].State == "" && others[i].State != "" {
			t.Errorf("%s, who needs nothing, stands before %s", others[i-1].Name, others[i].Name)
		}
	}
}
