package server_test

import (
	"context"
	"encoding/json"
	"fmt"
	"slices"
	"strings"
	"testing"
	"time"

	"github.com/google/uuid"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/problem"
	"vineswap/server"
	"vineswap/store"
	"vineswap/wire"
)

// later is the same house some days after, by the clock of another server.
func (h house) later(days int) house {
	h.url = h.serve(server.Options{Store: h.store, Screens: screens, Now: func() time.Time {
		return time.Date(2026, 11, 25, 11, 30, 0, 0, time.UTC).AddDate(0, 0, days)
	}})
	return h
}

// two is the house with two children who are ready for the same.
func two(t *testing.T) (h house, jory uuid.UUID) {
	t.Helper()
	h, jory = newHouse(t), uuid.New()
	if err := h.store.AddLearner(context.Background(), h.orchard, store.Learner{ID: jory, Name: "Jory P.", Told: "reads-tens-and-ones"}, time.Now()); err != nil {
		t.Fatal(err)
	}
	if err := h.store.Tell(context.Background(), h.orchard, h.wren, "reads-tens-and-ones"); err != nil {
		t.Fatal(err)
	}
	return h, jory
}

func morning(t *testing.T, p person) (today wire.Today) {
	t.Helper()
	p.send("GET", p.class("/today"), nil).into(t, &today)
	return today
}

func offOf(m wire.Meeting, off bool) wire.PutOff {
	put := wire.PutOff{Stage: m.Stage, Manner: m.Manner, Leaving: m.Leaving, Off: off}
	if off {
		put.Why = "no-time"
	}
	for _, s := range m.Seats {
		put.Children = append(put.Children, s.ID)
	}
	return put
}

func sameLesson(a, b wire.Meeting) bool {
	return a.Stage == b.Stage && a.Manner == b.Manner && slices.EqualFunc(a.Seats, b.Seats, func(a, b wire.Seat) bool { return a.ID == b.ID })
}

// A lesson that is put off is not suggested again that day, comes first on the next with its
// reason, day after day until it is held; and what cannot be put off is told.
func TestPutOffReturnsTheDayAfter(t *testing.T) {
	h, _ := two(t)
	assistant, viewer := h.person("assistant"), h.person("viewer")
	first := morning(t, assistant).Meetings[0]
	var today wire.Today
	assistant.send("PUT", assistant.class("/off"), offOf(first, true)).into(t, &today)
	if len(today.Off) != 1 || !strings.HasPrefix(today.Off[0].Says, "Jory P., Wren A.: ") || slices.ContainsFunc(today.Meetings, func(m wire.Meeting) bool { return sameLesson(m, first) }) {
		t.Fatalf("put off: %+v, %+v", today.Off, today.Meetings)
	}
	assistant.send("PUT", assistant.class("/off"), offOf(first, false)).into(t, &today)
	if len(today.Off) != 0 || !sameLesson(today.Meetings[0], first) {
		t.Errorf("taken back: %+v", today)
	}
	assistant.send("PUT", assistant.class("/off"), offOf(first, true)).into(t, &today)
	for _, days := range []int{1, 2} {
		then := morning(t, h.later(days).person("assistant"))
		says := map[int]string{1: "Put off yesterday: no time", 2: "Put off on 26 Nov: no time"}[days]
		if len(then.Meetings) == 0 || !sameLesson(then.Meetings[0], first) || then.Meetings[0].Again != says || len(then.Off) != 0 {
			t.Errorf("%d days later: %+v", days, then.Meetings)
		}
	}
	tomorrow := h.later(1).person("assistant")
	held := morning(t, tomorrow).Meetings[0]
	lesson := wire.NewLesson{ID: uuid.NewString(), Tasks: held.Tasks, Children: offOf(held, true).Children}
	if got := tomorrow.send("POST", tomorrow.class("/lessons"), lesson); got.status != 200 {
		t.Fatalf("the lesson is not opened: %s", got.body)
	}
	if again := morning(t, h.later(2).person("assistant")).Meetings; slices.ContainsFunc(again, func(m wire.Meeting) bool { return m.Again != "" }) {
		t.Errorf("it was opened, and comes back: %+v", again)
	}
	for name, c := range map[string]struct {
		spoil func(*wire.PutOff)
		field string
	}{
		"a reason that there is not": {func(p *wire.PutOff) { p.Why = "rain" }, "why"},
		"a stage that there is not":  {func(p *wire.PutOff) { p.Stage = "joining/sideways" }, "stage"},
		"a manner that it has not":   {func(p *wire.PutOff) { p.Stage, p.Manner = "joining/first-snake", "head" }, "stage"},
		"another class's child":      {func(p *wire.PutOff) { p.Children = []string{h.mina.String()} }, "children"},
		"nobody":                     {func(p *wire.PutOff) { p.Children = []string{} }, "children"},
		"five children":              {func(p *wire.PutOff) { p.Children = slices.Repeat([]string{h.wren.String()}, 5) }, "children"},
	} {
		put := offOf(first, true)
		c.spoil(&put)
		if got := assistant.send("PUT", assistant.class("/off"), put); got.status != 422 || got.trouble(t).Field != c.field {
			t.Errorf("%s: %d %s", name, got.status, got.body)
		}
	}
	if got := viewer.send("PUT", viewer.class("/off"), offOf(first, true)); got.status != 403 {
		t.Errorf("a viewer: %d", got.status)
	}
}

// The first lessons fit into the minutes that there are; with more adults more fit.
func TestTheMinutesOfTheDay(t *testing.T) {
	h, _ := two(t)
	assistant := h.person("assistant")
	if all := morning(t, assistant); all.Minutes != 0 || slices.ContainsFunc(all.Meetings, func(m wire.Meeting) bool { return !m.Fits }) {
		t.Errorf("with nothing said: %+v", all)
	}
	for _, c := range []struct{ minutes, helpers, fit int }{{2, 0, 0}, {2, 3, 0}, {600, 0, 1}, {0, 1, 1}} {
		var today wire.Today
		assistant.send("PUT", assistant.class("/day"), wire.SetDay{Minutes: c.minutes, Helpers: c.helpers}).into(t, &today)
		fit := 0
		for _, m := range today.Meetings {
			if m.Fits {
				fit++
			}
		}
		if fit != c.fit || today.Minutes != c.minutes || today.Helpers != c.helpers || len(today.Meetings) != 1 {
			t.Errorf("%d minutes, %d help: %d of %d fit", c.minutes, c.helpers, fit, len(today.Meetings))
		}
	}
	if kept := morning(t, h.later(1).person("lead")); kept.Helpers != 1 {
		t.Errorf("the day after %d help", kept.Helpers)
	}
	for field, ask := range map[string]wire.SetDay{"minutes": {Minutes: -1}, "helpers": {Helpers: 6}} {
		if got := assistant.send("PUT", assistant.class("/day"), ask); got.status != 422 || got.trouble(t).Field != field {
			t.Errorf("%+v: %d %s", ask, got.status, got.body)
		}
	}
}

// Who was seen on which of the last five school days, in the class's own days; and what was
// planned and not done comes first the day after.
func TestTheWeekBackAndWhatWasPlanned(t *testing.T) {
	h, jory := two(t)
	assistant := h.person("assistant")
	planned := wire.NewLesson{ID: uuid.NewString(), Tasks: tasks("sum", "", []int{23, 45}), Children: []string{jory.String()}}
	worked := wire.NewLesson{ID: uuid.NewString(), Tasks: tasks("sum", "", []int{47, 25}), Children: []string{h.wren.String()}}
	for _, l := range []wire.NewLesson{planned, worked} {
		if got := assistant.send("POST", assistant.class("/lessons"), l); got.status != 200 {
			t.Fatalf("%s", got.body)
		}
	}
	seen := observed(h.wren)
	seen.Answer = "72"
	if got := assistant.send("POST", assistant.class("/lessons/"+worked.ID+"/observations"), seen); got.status != 200 {
		t.Fatalf("%s", got.body)
	}
	var week wire.Week
	viewer := h.person("viewer")
	viewer.send("GET", viewer.class("/week"), nil).into(t, &week)
	if fmt.Sprint(week.Days) != "[Fri 20 Mon 23 Tue 24 Wed 25 Thu 26]" || len(week.Rows) != 2 || week.Rows[0].Name != "Jory P." || week.Rows[0].Days != 0 || week.Rows[1].Days != 1 || !week.Rows[1].Seen[4] {
		t.Errorf("%+v", week)
	}
	var desk wire.Desk
	assistant.send("GET", assistant.class(""), nil).into(t, &desk)
	if open := append(desk.Open, *desk.InHand); len(open) != 2 || open[0].NotDone != "" || open[1].NotDone != "" {
		t.Errorf("today: %+v", open)
	}
	tomorrow := h.later(1).person("lead")
	another := wire.NewLesson{ID: uuid.NewString(), Tasks: tasks("sum", "", []int{31, 12}), Children: []string{}}
	assistant = h.later(1).person("assistant")
	if got := assistant.send("POST", assistant.class("/lessons"), another); got.status != 200 {
		t.Fatalf("%s", got.body)
	}
	tomorrow.send("GET", tomorrow.class(""), nil).into(t, &desk)
	if len(desk.Open) != 3 || desk.Open[0].NotDone != "planned yesterday, not done" || desk.Open[2].ID != another.ID || desk.Open[2].NotDone != "" {
		t.Errorf("the day after: %+v", desk.Open)
	}
}

// At a problem of two each is recorded by its own places: the same answer is right of one and
// wrong of the other; the mat's sight proposes the help; a correction changes the part.
func TestEachChildHasItsPart(t *testing.T) {
	h, jory := two(t)
	assistant := h.person("assistant")
	opened := wire.NewLesson{ID: uuid.NewString(), Tasks: tasks("sum", "joining/one-swap-ones", []int{27, 45}), Children: []string{h.wren.String(), jory.String()}}
	var lesson wire.Lesson
	assistant.send("POST", assistant.class("/lessons"), opened).into(t, &lesson)
	if lesson.Roles[0].Does != "builds 27, works the ones" || lesson.Roles[1].Does != "builds 45, works the tens" {
		t.Fatalf("%+v", lesson.Roles)
	}
	change := wire.LessonChange{Revision: lesson.Revision, Stand: "mat", At: "work/tens/1", Saw: []wire.Sighting{{At: "work/ones/0", How: "asked"}, {At: "work/tens/0", How: "led"}}}
	if got := assistant.send("PATCH", assistant.class("/lessons/"+opened.ID), change); got.status != 200 {
		t.Fatalf("%s", got.body)
	}
	var page wire.Record
	assistant.send("GET", assistant.class("/lessons/"+opened.ID+"/record"), nil).into(t, &page)
	rows := page.Tasks[0].Rows
	if fmt.Sprintf("%v %s %v %s", rows[0].Part, rows[0].Help, rows[1].Part, rows[1].Help) != "[ones] nudged [tens] together" || rows[1].Saw != "shown on the mat step by step" {
		t.Fatalf("%+v", rows)
	}
	of := func(child uuid.UUID, part ...string) wire.Observe {
		o := observed(child)
		o.Answer, o.Came, o.Help, o.Part = "62", "typed", "alone", part
		return o
	}
	var first, second wire.Recorded
	assistant.send("POST", assistant.class("/lessons/"+opened.ID+"/observations"), of(h.wren, "ones")).into(t, &first)
	wrong := of(jory, "tens")
	assistant.send("POST", assistant.class("/lessons/"+opened.ID+"/observations"), wrong).into(t, &second)
	if !first.Entry.Right || second.Entry.Right || first.Entry.PartSays != "the ones" || len(second.Entry.Slips) == 0 || len(first.Entry.Slips) != 0 {
		t.Errorf("%+v\n%+v", first.Entry, second.Entry)
	}
	mended := of(jory)
	mended.Replaces = wrong.ID
	assistant.send("POST", assistant.class("/lessons/"+opened.ID+"/observations"), mended).into(t, &second)
	if second.Entry.PartSays != "" || second.Entry.Right {
		t.Errorf("as the whole: %+v", second.Entry)
	}
	for name, parts := range map[string][]string{"no place": {"sideways"}, "a place that it has not": {"thousands"}} {
		if got := assistant.send("POST", assistant.class("/lessons/"+opened.ID+"/observations"), of(h.wren, parts...)); got.status != 422 || got.trouble(t).Field != "part" {
			t.Errorf("%s: %d %s", name, got.status, got.body)
		}
	}
	change = wire.LessonChange{Revision: 2, At: "read/0", Saw: []wire.Sighting{{At: "work/tens/0", How: "guessed"}}}
	if got := assistant.send("PATCH", assistant.class("/lessons/"+opened.ID), change); got.status != 422 || got.trouble(t).Field != "saw" {
		t.Errorf("a sight that there is not: %d %s", got.status, got.body)
	}
	lead := h.person("lead")
	if got := lead.send("GET", lead.class("/learners/"+h.wren.String()+"/export.json"), nil); !strings.Contains(string(got.body), `"part": "ones"`) {
		t.Errorf("the file says nothing of the part: %s", got.body)
	}
}

// A child who is secure with pieces, the last of it alone, is suggested two tasks that swap in
// the same places, the second drawn; where that one is wrong it goes back to pieces and
// column.
func TestLeavingThePieces(t *testing.T) {
	h := newHouse(t)
	ctx := context.Background()
	account, err := h.store.AccountByEmail(ctx, "lead@school.test")
	if err != nil {
		t.Fatal(err)
	}
	today := book.Day(20_783) // 26 November in the class's zone
	space, err := choose.Choice{Kind: problem.Sum, Stage: choose.OneSwapOnes, Digits: []int{2, 2}}.Space()
	if err != nil {
		t.Fatal(err)
	}
	for i, numbers := range space.Draw(8, 18) {
		p := problem.SumOf(numbers...)
		o := store.Observation{ID: uuid.New(), ClassID: h.orchard, LearnerID: h.wren, RecordedBy: account.ID, RecordedAt: time.Now()}
		o.Task, o.Stage, o.Manner, o.Material, o.Help, o.Came, o.Runs, o.Answer, o.Day = p.Task(), choose.OneSwapOnes, book.Pieces, "beads", book.Alone, book.Marked, 1, p.Result(), today-5+book.Day(i/4)
		if err := h.store.Record(ctx, o, false); err != nil {
			t.Fatal(err)
		}
	}
	assistant := h.person("assistant")
	m := morning(t, assistant).Meetings[0]
	if !m.Leaving || m.Stage != "joining/one-swap-ones" || m.Manner != "drawn" || len(m.Tasks) != 2 || m.Seats[0].InRow != 8 {
		t.Fatalf("%+v", m)
	}
	var both [2]problem.Problem
	for i, asked := range m.Tasks {
		var kept struct{ Data problem.Problem }
		if err := json.Unmarshal(asked.Task, &kept); err != nil {
			t.Fatal(err)
		}
		both[i] = problem.SumOf(kept.Data.Numbers...)
	}
	if !slices.Equal(both[0].Shows(), both[1].Shows()) || both[0].Key() == both[1].Key() || fmt.Sprint(m.Shown[0].Says, m.Shown[1].Says) != "with piecesdrawn" {
		t.Errorf("%v, then %v: %+v", both[0], both[1], m.Shown)
	}
	opened := wire.NewLesson{ID: uuid.NewString(), Tasks: m.Tasks, Children: []string{h.wren.String()}}
	var lesson wire.Lesson
	assistant.send("POST", assistant.class("/lessons"), opened).into(t, &lesson)
	if lesson.Link.Material != "beads" || len(lesson.Then) != 1 || !strings.HasSuffix(lesson.Then[0], ", drawn") {
		t.Errorf("first %s, then %v", lesson.Link.Material, lesson.Then)
	}
	second := 1
	assistant.send("PATCH", assistant.class("/lessons/"+opened.ID), wire.LessonChange{Revision: lesson.Revision, Nth: &second}).into(t, &lesson)
	if lesson.Link.Material != "drawings" {
		t.Errorf("then %s", lesson.Link.Material)
	}
	var page wire.Record
	assistant.send("GET", assistant.class("/lessons/"+opened.ID+"/record"), nil).into(t, &page)
	if page.Tasks[0].Rows[0].Manner != "pieces" || page.Tasks[1].Rows[0].Manner != "drawn" {
		t.Errorf("%+v", page.Tasks)
	}
	for nth, answer := range []string{both[0].Result(), "7"} {
		o := observed(h.wren)
		o.ID, o.Nth, o.Answer, o.Came, o.Manner, o.Help = uuid.NewString(), nth, answer, "typed", []string{"pieces", "drawn"}[nth], "alone"
		if got := assistant.send("POST", assistant.class("/lessons/"+opened.ID+"/observations"), o); got.status != 200 {
			t.Fatalf("%s", got.body)
		}
	}
	var page2 wire.LearnerView
	assistant.send("GET", assistant.class("/learners/"+h.wren.String()), nil).into(t, &page2)
	i := slices.IndexFunc(page2.Steps, func(s wire.NextStep) bool { return s.Stage == "joining/one-swap-ones" })
	if i < 0 || page2.Steps[i].Kind != "return" || page2.Steps[i].Manner != "pieces-and-column" || !strings.HasPrefix(page2.Steps[i].Do, "Back to pieces and column") {
		t.Errorf("%+v", page2.Steps)
	}
	secure := slices.ContainsFunc(page2.Strands, func(b wire.Branch) bool {
		return slices.ContainsFunc(b.Stages, func(n wire.Node) bool { return n.Leaf.Stage == "joining/one-swap-ones" && n.Leaf.Lobes[0] == "secure" })
	})
	if !secure {
		t.Error("what was secure with pieces is lost")
	}
}
