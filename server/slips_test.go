package server_test

import (
	"slices"
	"strings"
	"testing"

	"github.com/google/uuid"

	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/slip"
	"vineswap/core/task"
	"vineswap/wire"
)

// A slip from the answers that are typed to the lesson that mends it.
func TestASlipIsFollowed(t *testing.T) {
	h := newHouse(t)
	guide := h.person("assistant")
	wren := h.wren.String()
	id := uuid.NewString()
	sums := [][]int{{62, 38}, {71, 46}, {85, 49}}
	guide.send("POST", guide.class("/lessons"), wire.NewLesson{ID: id, Tasks: tasks("difference", "", sums...), Children: []string{wren}}).into(t, &wire.Lesson{})

	var page wire.Record
	guide.send("GET", guide.class("/lessons/"+id+"/record"), nil).into(t, &page)
	first := page.Tasks[0]
	i := slices.IndexFunc(first.Wrong, func(g wire.Gave) bool { return g.Answer == "36" })
	if i < 0 {
		t.Fatalf("nothing explains 36: %+v", first.Wrong)
	}
	gave := first.Wrong[i]
	says := page.Slips["smaller-from-larger"]
	if len(gave.Slips) != 1 || gave.Slips[0][0] != "smaller-from-larger" || gave.StepSays != "Ones, at the swap" || gave.Shows != "It shows in the ones and the tens." || says.Says == "" || says.Look == "" || says.Helps == "" {
		t.Errorf("%+v, %+v", gave, says)
	}
	lacks := first.Wrong[slices.IndexFunc(first.Wrong, func(g wire.Gave) bool { return g.Answer == "22" })]
	if lacks.Fewer != "two ones" || len(lacks.Lacks) != 1 || lacks.Lacks[0].Digit != 2 {
		t.Errorf("22 lacks %+v", lacks)
	}

	for nth, answer := range []string{"36", "35", "44"} {
		o := wire.Observe{ID: uuid.NewString(), Learner: wren, Nth: nth, Answer: answer, Came: "typed", Help: "alone", Manner: "column", Runs: 1}
		if got := guide.send("POST", guide.class("/lessons/"+id+"/observations"), o); got.status != 200 {
			t.Fatalf("%d: %s", got.status, got.body)
		}
	}
	var view wire.LearnerView
	guide.send("GET", guide.class("/learners/"+wren), nil).into(t, &view)
	if len(view.Wrong) != 1 {
		t.Fatalf("%+v", view.Wrong)
	}
	goes := view.Wrong[0]
	if !goes.Told || !strings.HasPrefix(goes.Says, "The smaller digit was taken") || goes.Under != "Taking away: explains 3 of 3 wrong answers, of the last 3" || len(goes.Answers) != 3 || goes.Likely < 9 || goes.Sure != "almost sure" {
		t.Errorf("%+v", goes)
	}
	if a := goes.Answers[0]; a.Given != "44" || a.Result != "36" || a.Right || !slices.Equal(a.Numbers, []int{85, 49}) {
		t.Errorf("the newest answer first: %+v", a)
	}
	if len(goes.Tasks) == 0 || goes.Would == "" || goes.Lesson != "one swap, tens, with pieces and column" {
		t.Fatalf("nothing brings it out: %+v", goes)
	}
	// The class has its own name for it; an older screen, which knows of none, does not take it away.
	lead := h.person("lead")
	var desk wire.Desk
	lead.send("GET", lead.class(""), nil).into(t, &desk)
	set := desk.Settings
	set.Habits = map[string]string{"smaller-from-larger": "the upside-down take"}
	lead.send("PUT", lead.class("/settings"), set).into(t, &desk)
	guide.send("GET", guide.class("/learners/"+wren), nil).into(t, &view)
	if view.Wrong[0].Own != "the upside-down take" {
		t.Errorf("%+v", view.Wrong[0])
	}
	older := desk.Settings
	older.Habits = nil
	lead.send("PUT", lead.class("/settings"), older).into(t, &desk)
	if desk.Settings.Habits["smaller-from-larger"] != "the upside-down take" {
		t.Errorf("an older screen took the name away: %v", desk.Settings.Habits)
	}
	long := desk.Settings
	long.Habits = map[string]string{"smaller-from-larger": strings.Repeat("n", 41)}
	if got := lead.send("PUT", lead.class("/settings"), long); got.status != 422 || !strings.Contains(string(got.body), "This name is too long") {
		t.Errorf("%d %s", got.status, got.body)
	}
	var mend wire.Lesson
	guide.send("POST", guide.class("/lessons"), wire.NewLesson{ID: uuid.NewString(), Tasks: goes.Tasks, Children: []string{wren}}).into(t, &mend)
	if p, err := problem.Parse(strings.ReplaceAll(mend.Link.Sum.Text, " ", "")); err != nil || !slices.ContainsFunc(p.Wrong(), func(w task.Wrong) bool { return w.Slip == "smaller-from-larger" }) {
		t.Errorf("%+v, %v", mend.Link.Sum, err)
	}

	for _, b := range view.Strands {
		for _, n := range b.Stages {
			if n.Leaf.Stage != "taking/one-swap-tens" {
				continue
			}
			if !slices.ContainsFunc(n.Lobes, func(l wire.Lobe) bool {
				return strings.Contains(l.Why, "One slip explains 3 of these 3: the smaller digit was taken from the larger, whichever is on top.")
			}) {
				t.Errorf("the vine does not tell it: %+v", n.Lobes)
			}
		}
	}
}

// Numbers that bring a slip out, and what numbers cannot show.
func TestNumbersBringASlipOut(t *testing.T) {
	h := newHouse(t)
	guide := h.person("assistant")
	ask := wire.Choose{Kind: "difference", Stage: "taking/across-one-zero", Digits: []int{3, 3}, Count: 12, Seed: "7", Brings: "jumps-over-zero"}
	var got wire.Chosen
	guide.send("POST", guide.class("/choose"), ask).into(t, &got)
	if len(got.Problems) != 12 || !slices.ContainsFunc(got.Slips, func(n wire.Named) bool { return n.ID == "jumps-over-zero" && n.Name != "" }) {
		t.Fatalf("%d problems, %+v", len(got.Problems), got.Slips)
	}
	for _, p := range got.Problems {
		of := problem.DifferenceOf(place.Number(p.Numbers[0]), place.Number(p.Numbers[1]))
		if !slices.ContainsFunc(of.Wrong(), func(w task.Wrong) bool { return w.Slip == "jumps-over-zero" }) {
			t.Errorf("%v does not bring it out", of)
		}
	}
	if !slices.Contains(got.Hidden, "the shorter number was lined up on the left") {
		t.Errorf("it is not said that %v cannot show it", got.Hidden)
	}
	ask.Brings = string(slip.LeftoverDropped)
	var none wire.Chosen
	guide.send("POST", guide.class("/choose"), ask).into(t, &none)
	if len(none.Problems) != 0 || none.Fits == "0" {
		t.Errorf("%d of %s", len(none.Problems), none.Fits)
	}
	ask.Brings = "sneezes"
	if got := guide.send("POST", guide.class("/choose"), ask); got.status != 422 || !strings.Contains(string(got.body), "There is no such slip") {
		t.Errorf("%d %s", got.status, got.body)
	}
	ask.Brings, ask.Children = "jumps-over-zero", []string{h.wren.String()}
	var hers wire.Chosen
	guide.send("POST", guide.class("/choose"), ask).into(t, &hers)
	if len(hers.Problems) != 12 {
		t.Errorf("for one child %d problems", len(hers.Problems))
	}
}
