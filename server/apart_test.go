package server_test

import (
	"context"
	"slices"
	"strings"
	"testing"
	"time"

	"github.com/google/uuid"

	"vineswap/store"
	"vineswap/wire"
)

// Who is not to sit together is seen by leads alone: on People, as a warning at the lesson,
// and in what is suggested; a pair that cannot be kept is told, and nothing of it is in what
// others read.
func TestKeptApart(t *testing.T) {
	h := newHouse(t)
	lead, assistant := h.person("lead"), h.person("assistant")
	jory := uuid.New()
	if err := h.store.AddLearner(context.Background(), h.orchard, store.Learner{ID: jory, Name: "Jory P.", Told: "reads-tens-and-ones"}, time.Now()); err != nil {
		t.Fatal(err)
	}
	if err := h.store.Tell(context.Background(), h.orchard, h.wren, "reads-tens-and-ones"); err != nil {
		t.Fatal(err)
	}
	together := func() bool {
		t.Helper()
		var today wire.Today
		lead.send("GET", lead.class("/today"), nil).into(t, &today)
		if len(today.Meetings) == 0 {
			t.Fatal("no lesson is suggested")
		}
		return slices.ContainsFunc(today.Meetings, func(m wire.Meeting) bool { return len(m.Seats) == 2 })
	}
	if !together() {
		t.Error("two children who are ready for the same do not sit together")
	}
	pair := wire.KeptApart{One: h.wren.String(), Other: jory.String()}
	var people wire.People
	lead.send("PUT", lead.class("/apart"), wire.KeepApart{KeptApart: pair, Apart: true}).into(t, &people)
	if len(people.Apart) != 1 || together() {
		t.Errorf("%+v, together %t", people.Apart, together())
	}
	lesson := wire.NewLesson{ID: uuid.NewString(), Tasks: tasks("sum", "", []int{47, 25}), Children: []string{h.wren.String(), jory.String()}}
	var made wire.Lesson
	assistant.send("POST", assistant.class("/lessons"), lesson).into(t, &made)
	if len(made.Apart) != 0 {
		t.Errorf("an assistant is told %v", made.Apart)
	}
	lead.send("GET", lead.class("/lessons/"+lesson.ID), nil).into(t, &made)
	if len(made.Apart) != 1 || !strings.HasSuffix(made.Apart[0], "are not to sit together.") {
		t.Errorf("the lead is told %v", made.Apart)
	}
	for name, c := range map[string]struct{ one, other string }{"itself": {pair.One, pair.One}, "another class's child": {pair.One, h.mina.String()}, "nobody": {pair.One, uuid.NewString()}} {
		got := lead.send("PUT", lead.class("/apart"), wire.KeepApart{KeptApart: wire.KeptApart{One: c.one, Other: c.other}, Apart: true})
		if tr := got.trouble(t); got.status != 422 || tr.Field != "other" {
			t.Errorf("apart from %s: %d %+v", name, got.status, tr)
		}
	}
	if got := assistant.send("GET", assistant.class("/people"), nil); got.status != 403 {
		t.Errorf("an assistant reads People: %d", got.status)
	}
	for _, file := range []string{"json", "csv"} {
		if got := lead.send("GET", lead.class("/learners/"+h.wren.String()+"/export."+file), nil); strings.Contains(string(got.body), jory.String()) || strings.Contains(string(got.body), "Jory") {
			t.Errorf("the %s file of one child names the other: %s", file, got.body)
		}
	}
	lead.send("PUT", lead.class("/apart"), wire.KeepApart{KeptApart: pair, Apart: false}).into(t, &people)
	if len(people.Apart) != 0 || !together() {
		t.Errorf("let go: %+v", people.Apart)
	}
}

// A child who is away today is suggested for no lesson until it is here again; a look-on
// cannot say so, and a stranger neither.
func TestAwayForTheDay(t *testing.T) {
	h := newHouse(t)
	assistant, viewer := h.person("assistant"), h.person("viewer")
	if err := h.store.Tell(context.Background(), h.orchard, h.wren, "reads-tens-and-ones"); err != nil {
		t.Fatal(err)
	}
	var today wire.Today
	ask := func(away bool) reply {
		return assistant.send("PUT", assistant.class("/away"), wire.SetAway{Learner: h.wren.String(), Away: away})
	}
	assistant.send("GET", assistant.class("/today"), nil).into(t, &today)
	if len(today.Meetings) != 1 || len(today.Away) != 0 {
		t.Fatalf("at first: %+v", today)
	}
	ask(true).into(t, &today)
	if len(today.Meetings) != 0 || !slices.Equal(today.Away, []string{h.wren.String()}) {
		t.Errorf("away: %+v", today)
	}
	viewer.send("GET", viewer.class("/today"), nil).into(t, &today)
	if len(today.Meetings) != 0 {
		t.Errorf("another sees %+v", today.Meetings)
	}
	ask(false).into(t, &today)
	if len(today.Meetings) != 1 || len(today.Away) != 0 {
		t.Errorf("here again: %+v", today)
	}
	got := assistant.send("PUT", assistant.class("/away"), wire.SetAway{Learner: h.mina.String(), Away: true})
	if tr := got.trouble(t); got.status != 422 || tr.Field != "learner" {
		t.Errorf("another class's child: %d %+v", got.status, tr)
	}
	if got := viewer.send("PUT", viewer.class("/away"), wire.SetAway{Learner: h.wren.String(), Away: true}); got.status != 403 {
		t.Errorf("a viewer: %d", got.status)
	}
}
