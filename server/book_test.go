package server_test

import (
	"bytes"
	"context"
	"encoding/json"
	"reflect"
	"strings"
	"sync"
	"testing"
	"time"

	"github.com/google/uuid"

	"vineswap/store"
	"vineswap/wire"
)

// lessonOf opens a lesson of Wren at 1458 + 2367.
func (p person) lessonOf(child uuid.UUID) string {
	p.Helper()
	id := uuid.NewString()
	if got := p.send("POST", p.class("/lessons"), wire.NewLesson{ID: id, Tasks: tasks("sum", "", []int{1458, 2367}), Children: []string{child.String()}}); got.status != 200 {
		p.Fatalf("no lesson: %s", got.body)
	}
	return id
}

// change changes a lesson from its newest revision.
func (p person) change(lesson string, ask wire.LessonChange) reply {
	p.Helper()
	var now wire.Lesson
	p.send("GET", p.class("/lessons/"+lesson), nil).into(p.TB, &now)
	ask.Revision = now.Revision
	return p.send("PATCH", p.class("/lessons/"+lesson), ask)
}

func (p person) record(lesson string) wire.Record {
	p.Helper()
	var r wire.Record
	p.send("GET", p.class("/lessons/"+lesson+"/record"), nil).into(p.TB, &r)
	return r
}

func TestRecording(t *testing.T) {
	h := newHouse(t)
	lead := h.person("lead")
	id := lead.lessonOf(h.wren)
	path := lead.class("/lessons/" + id + "/observations")
	first := lead.record(id)
	if row := first.Tasks[0].Rows[0]; row.Help != "alone" || row.Manner != "pieces" || len(row.Kept) != 0 || len(first.Tasks[0].Manners) != 5 || first.Today != "2026-11-26" { // past midnight in Auckland
		t.Errorf("before: %+v", first)
	}
	note := "hums while counting"
	ask := observed(h.wren)
	ask.AnotherRun, ask.Answer, ask.Came, ask.Help, ask.Note = false, " 3815 ", "typed", "nudged", &note
	for range 2 { // a repeated save is harmless
		if got := lead.send("POST", path, ask); got.status != 200 {
			t.Fatalf("%d %s", got.status, got.body)
		}
	}
	kept := lead.record(id).Tasks[0].Rows[0].Kept
	var again wire.Recorded
	if lead.send("POST", path, ask).into(t, &again); len(kept) != 1 || !reflect.DeepEqual(again.Entry, kept[0]) || !again.Written {
		t.Errorf("it answers %+v, and on the page stands %+v", again, kept)
	}
	if len(kept) != 1 || kept[0].Answer != "3815" || kept[0].Right || kept[0].Note != note || kept[0].By != "lead" || kept[0].Day != "2026-11-26" || kept[0].Came != "typed" {
		t.Fatalf("kept %+v", kept)
	}
	// An assistant corrects it, sees that there is a note and not what it says, and does not lose it.
	assistant := h.person("assistant")
	if e := assistant.record(id).Tasks[0].Rows[0].Kept[0]; e.Note != "" || !e.HasNote {
		t.Errorf("an assistant reads %q", e.Note)
	}
	mended := ask
	mended.ID, mended.Replaces, mended.Note, mended.Answer, mended.Came = uuid.NewString(), ask.ID, nil, "3825", "marked"
	if got := assistant.send("POST", path, mended); got.status != 200 {
		t.Fatalf("%d %s", got.status, got.body)
	}
	if kept = lead.record(id).Tasks[0].Rows[0].Kept; len(kept) != 1 || !kept[0].Right || kept[0].Note != note || kept[0].By != "assistant" {
		t.Errorf("corrected to %+v", kept)
	}
	// One who corrects the older record is told, with the page as it is.
	late := mended
	late.ID = uuid.NewString()
	if got := lead.send("POST", path, late); got.status != 409 || got.trouble(t).Record == nil || got.trouble(t).Field != "replaces" {
		t.Errorf("a late correction: %d %s", got.status, got.body)
	}
	// The next problem begins as the child was seen at this one.
	if got := lead.change(id, wire.LessonChange{More: true}); got.status != 200 {
		t.Fatalf("%d %s", got.status, got.body)
	}
	if next := lead.record(id); len(next.Tasks) != 2 || next.Index != 1 || next.Tasks[1].Rows[0].Help != "nudged" {
		t.Errorf("the second problem: %+v", next.Tasks)
	}
	var view wire.LearnerView
	lead.send("GET", lead.class("/learners/"+h.wren.String()), nil).into(t, &view)
	if len(view.Part.Entries) != 2 || view.Part.Entries[0].Current == view.Part.Entries[1].Current || view.Strands[2].Stages[7].Leaf.State != "under-way" {
		t.Errorf("%+v", view.Part.Entries)
	}
}

func TestRecordsThatAreRefused(t *testing.T) {
	h := newHouse(t)
	lead := h.person("lead")
	id := lead.lessonOf(h.wren)
	path := lead.class("/lessons/" + id + "/observations")
	other := uuid.New()
	if err := h.store.AddLearner(context.Background(), h.orchard, store.Learner{ID: other, Name: "Jory P."}, time.Now()); err != nil {
		t.Fatal(err)
	}
	for name, c := range map[string]struct {
		spoil  func(*wire.Observe)
		status int
		field  string
	}{
		"dated in the future":               {func(o *wire.Observe) { o.Day = "2026-11-27" }, 422, "day"},
		"no day at all":                     {func(o *wire.Observe) { o.Day = "tomorrow" }, 422, "day"},
		"marked right and wrong":            {func(o *wire.Observe) { o.Answer = "3815" }, 422, "answer"},
		"an answer without end":             {func(o *wire.Observe) { o.Answer, o.Came = strings.Repeat("9", 60), "typed" }, 422, "answer"},
		"no such help":                      {func(o *wire.Observe) { o.Help = "magic" }, 422, "help"},
		"no such manner":                    {func(o *wire.Observe) { o.Manner = "sung" }, 422, "manner"},
		"no such way":                       {func(o *wire.Observe) { o.Way = "guessed" }, 422, "way"},
		"come from nowhere":                 {func(o *wire.Observe) { o.Came = "rumour" }, 422, "came"},
		"no such problem":                   {func(o *wire.Observe) { o.Nth = 1 }, 422, "nth"},
		"a child who does not sit there":    {func(o *wire.Observe) { o.Learner = other.String() }, 422, "learner"},
		"a child of another class":          {func(o *wire.Observe) { o.Learner = h.mina.String() }, 422, "learner"},
		"correcting what was never kept":    {func(o *wire.Observe) { o.Replaces = uuid.NewString() }, 422, "replaces"},
		"no id":                             {func(o *wire.Observe) { o.ID = "one" }, 422, "id"},
		"a hundred runs":                    {func(o *wire.Observe) { o.Runs = 100 }, 422, "runs"},
		"yesterday, which is quite allowed": {func(o *wire.Observe) { o.Day = "2026-11-25" }, 200, ""},
	} {
		ask := observed(h.wren)
		c.spoil(&ask)
		got := lead.send("POST", path, ask)
		if got.status != c.status {
			t.Errorf("%s: %d %s", name, got.status, got.body)
			continue
		}
		if c.status != 200 && got.trouble(t).Field != c.field {
			t.Errorf("%s: the field is %q", name, got.trouble(t).Field)
		}
	}
	if kept := lead.record(id).Tasks[0].Rows[0].Kept; len(kept) != 1 {
		t.Errorf("%d are kept of what was refused", len(kept))
	}
}

// An ended lesson is written up afterwards, under its own day; so is a child who
// has left, and that is said.
func TestRecordingAfterwards(t *testing.T) {
	h := newHouse(t)
	lead := h.person("lead")
	id := lead.lessonOf(h.wren)
	if got := lead.change(id, wire.LessonChange{Stand: "ended"}); got.status != 200 {
		t.Fatalf("%s", got.body)
	}
	var today wire.Today
	lead.send("GET", lead.class("/today"), nil).into(t, &today)
	if len(today.Unwritten) != 1 || today.Unwritten[0].Names != "Wren A." || today.Unwritten[0].Lesson != id || len(today.Waited) != 1 || !today.Waited[0].Never {
		t.Errorf("%+v", today)
	}
	retired := true
	if got := lead.send("PATCH", lead.class("/learners/"+h.wren.String()), wire.ChangeLearner{Retired: &retired}); got.status != 200 {
		t.Fatalf("%s", got.body)
	}
	var kept wire.Recorded
	got := lead.send("POST", lead.class("/lessons/"+id+"/observations"), observed(h.wren))
	got.into(t, &kept)
	if got.status != 200 || !strings.Contains(kept.Notice, "has left the class") || len(lead.record(id).Tasks[0].Rows[0].Kept) != 1 {
		t.Errorf("%d %+v", got.status, kept)
	}
}

// Of guides who record the same child at once one is kept and the others are
// told, with what is kept; said to be another run it is kept too.
func TestRecordingAtOnce(t *testing.T) {
	h := newHouse(t)
	lead, assistant := h.person("lead"), h.person("assistant")
	id := lead.lessonOf(h.wren)
	path := lead.class("/lessons/" + id + "/observations")
	var wg sync.WaitGroup
	status := make([]int, 6)
	for i := range status {
		who := []person{lead, assistant}[i%2]
		ask := observed(h.wren)
		ask.AnotherRun = false
		wg.Go(func() { status[i] = who.send("POST", path, ask).status })
	}
	wg.Wait()
	kept := 0
	for _, s := range status {
		if s == 200 {
			kept++
		} else if s != 409 {
			t.Errorf("answered %d", s)
		}
	}
	again := observed(h.wren)
	again.AnotherRun = false
	told := assistant.send("POST", path, again)
	if kept != 1 || told.status != 409 || told.trouble(t).Record == nil || len(told.trouble(t).Record.Tasks[0].Rows[0].Kept) != 1 {
		t.Errorf("%d kept; then %d %s", kept, told.status, told.body)
	}
	again.AnotherRun = true
	if got := assistant.send("POST", path, again); got.status != 200 {
		t.Errorf("as another run: %d %s", got.status, got.body)
	}
}

func TestEstimates(t *testing.T) {
	h := newHouse(t)
	lead := h.person("lead")
	id := lead.lessonOf(h.wren)
	say := func(value int) reply {
		return lead.send("POST", lead.class("/lessons/"+id+"/estimates"), wire.Say{Learner: h.wren.String(), Value: value})
	}
	if got := say(3800); got.status != 200 {
		t.Fatalf("%s", got.body)
	}
	if got := say(3825); got.status != 409 || !strings.Contains(got.trouble(t).Remedy, "stays") {
		t.Errorf("said again: %d %s", got.status, got.body)
	}
	if e := lead.record(id).Tasks[0].Estimates; len(e) != 1 || e[0].Value != 3800 || e[0].Off != 25 {
		t.Errorf("%+v", e)
	}
	late := lead.lessonOf(h.wren)
	lead.change(late, wire.LessonChange{Stand: "mat", At: "work/ones/0"})
	if got := lead.send("POST", lead.class("/lessons/"+late+"/estimates"), wire.Say{Learner: h.wren.String(), Value: 1}); got.status != 409 || !strings.Contains(got.trouble(t).Title, "begun") {
		t.Errorf("once the counting has begun: %d %s", got.status, got.body)
	}
}

func TestVines(t *testing.T) {
	h := newHouse(t)
	viewer := h.person("viewer")
	for query, want := range map[string]int{
		"": 200, "?strand=taking": 200, "?order=near&stage=joining/one-swap-ones": 200, "?order=wait": 200,
		"?strand=rods": 422, "?order=luck": 422, "?stage=joining/nowhere": 422, "?strand=taking&stage=joining/no-swap": 422,
	} {
		got := viewer.send("GET", viewer.class("/vines"+query), nil)
		if got.status != want || bytes.Contains(got.body, []byte("null")) {
			t.Errorf("%q: %d %.200s", query, got.status, got.body)
		}
	}
	var vines wire.Vines
	viewer.send("GET", viewer.class("/vines"), nil).into(t, &vines)
	if len(vines.Columns) != 1 || len(vines.Columns[0].Leaves) != 12 || len(vines.Stages) != 12 || vines.Columns[0].Leaves[4].State != "" || vines.Groups[0].Name != "not seen yet" {
		t.Errorf("%+v", vines)
	}
}

// A judgement is kept with its reason, which the lead alone reads.
func TestJudgements(t *testing.T) {
	h := newHouse(t)
	lead := h.person("lead")
	path := lead.class("/learners/" + h.wren.String())
	judge := func(reason string) reply {
		return lead.send("POST", path+"/judgements", wire.Judge{ID: uuid.NewString(), Stage: "joining/no-swap", Manner: "pieces", State: "secure", Reason: reason})
	}
	if got := judge("  "); got.status != 422 || got.trouble(t).Field != "reason" {
		t.Errorf("no reason: %d %s", got.status, got.body)
	}
	if got := judge(strings.Repeat("a", 500)); got.status != 422 || got.trouble(t).Field != "reason" {
		t.Errorf("a long reason: %d %s", got.status, got.body)
	}
	if got := judge("came from another school with it"); got.status != 200 {
		t.Fatalf("%s", got.body)
	}
	for who, reason := range map[string]string{"lead": "came from another school with it", "assistant": "", "viewer": ""} {
		var view wire.LearnerView
		h.person(who).send("GET", path, nil).into(t, &view)
		if len(view.Judgements) != 1 || view.Judgements[0].Reason != reason || view.Strands[2].Stages[4].Leaf.State != "secure" || view.Strands[2].Stages[1].Leaf.State != "" {
			t.Errorf("%s reads %+v", who, view.Judgements)
		}
	}
}

func TestPeopleThatAreRefused(t *testing.T) {
	h := newHouse(t)
	lead := h.person("lead")
	add := func(names ...string) reply {
		ask := wire.AddLearners{Learners: []wire.Learner{}}
		for _, n := range names {
			ask.Learners = append(ask.Learners, wire.Learner{ID: uuid.NewString(), Name: n})
		}
		return lead.send("POST", lead.class("/learners"), ask)
	}
	for name, c := range map[string]struct {
		got    reply
		status int
	}{
		"no name":              {add("  "), 422},
		"nobody":               {add(), 422},
		"an endless name":      {add(strings.Repeat("a", 41)), 422},
		"a name that is there": {add("Jory P.", "wren a."), 409},
		"the same name twice":  {add("Jory P.", "Jory P."), 409},
		"what nobody can see":  {add("Jo\x07ry"), 422},
	} {
		if c.got.status != c.status || c.status == 200 && c.got.trouble(t).Field != "name" {
			t.Errorf("%s: %d %s", name, c.got.status, c.got.body)
		}
	}
	var people wire.People
	lead.send("GET", lead.class("/people"), nil).into(t, &people)
	if len(people.Children) != 1 || len(people.Members) != 3 || len(people.Classes) != 0 {
		t.Errorf("%+v", people)
	}
	wren := lead.class("/learners/" + h.wren.String())
	if got := lead.send("PATCH", wren, wire.ChangeLearner{MoveTo: h.bees.String()}); got.status != 422 || got.trouble(t).Field != "moveTo" {
		t.Errorf("into a class of somebody else: %d %s", got.status, got.body)
	}
	if got := lead.send("PATCH", wren, wire.ChangeLearner{}); got.status != 422 {
		t.Errorf("nothing asked: %d", got.status)
	}
	// What a child can do is told when it is added or later; what nobody can tell is refused.
	sorrel := wire.Learner{ID: uuid.NewString(), Name: "Sorrel K."}
	if got := lead.send("POST", lead.class("/learners"), wire.AddLearners{Learners: []wire.Learner{sorrel}, Told: "everything"}); got.status != 422 || got.trouble(t).Field != "told" {
		t.Errorf("told what cannot be told: %d %s", got.status, got.body)
	}
	told := func() string {
		var people wire.People
		lead.send("GET", lead.class("/people"), nil).into(t, &people)
		for _, e := range people.Children {
			if e.ID == sorrel.ID {
				return e.Told
			}
		}
		return "not there"
	}
	if got := lead.send("POST", lead.class("/learners"), wire.AddLearners{Learners: []wire.Learner{sorrel}, Told: "adds-without-swap"}); got.status != 200 || told() != "adds-without-swap" {
		t.Errorf("%d %s, told %q", got.status, got.body, told())
	}
	for _, c := range []struct {
		told, want string
		status     int
	}{{"swaps-already", "swaps-already", 200}, {"everything", "swaps-already", 422}, {"", "", 200}} {
		if got := lead.send("PATCH", lead.class("/learners/"+sorrel.ID), wire.ChangeLearner{Told: &c.told}); got.status != c.status || told() != c.want {
			t.Errorf("told %q: %d %s, kept %q", c.told, got.status, got.body, told())
		}
	}
	// Who leads both classes can move the child, and the history is gone from here.
	account, _ := h.store.AccountByEmail(context.Background(), "lead@school.test")
	if err := h.store.Join(context.Background(), account.ID, h.bees, store.Lead); err != nil {
		t.Fatal(err)
	}
	if got := lead.send("PATCH", wren, wire.ChangeLearner{MoveTo: h.bees.String()}); got.status != 200 {
		t.Errorf("%d %s", got.status, got.body)
	}
	if got := lead.send("GET", wren, nil); got.status != 404 {
		t.Errorf("moved and still read here: %d", got.status)
	}
}

func TestErasing(t *testing.T) {
	h := newHouse(t)
	lead := h.person("lead")
	id := lead.lessonOf(h.wren)
	lead.send("POST", lead.class("/lessons/"+id+"/observations"), observed(h.wren))
	var people wire.People
	lead.send("DELETE", lead.class("/learners/"+h.wren.String()), nil).into(t, &people)
	if len(people.Children) != 0 || !strings.HasPrefix(people.Erased, "One child was erased.") {
		t.Errorf("%+v", people)
	}
	if got := lead.send("POST", lead.class("/lessons/"+id+"/observations"), observed(h.wren)); got.status != 422 || got.trouble(t).Field != "learner" {
		t.Errorf("recorded after the erasure: %d %s", got.status, got.body)
	}
	if got := lead.send("GET", lead.class("/learners/"+h.wren.String()+"/export.json"), nil); got.status != 404 {
		t.Errorf("exported after the erasure: %d", got.status)
	}
}

func TestInvitations(t *testing.T) {
	h := newHouse(t)
	lead := h.person("lead")
	invite := func(role string) string {
		var made wire.Invited
		lead.send("POST", lead.class("/invitations"), wire.Invite{Role: role}).into(t, &made)
		return "/api/invitations/" + strings.TrimPrefix(made.Path, "#/join/")
	}
	if got := lead.send("POST", lead.class("/invitations"), wire.Invite{Role: "lead"}); got.status != 422 {
		t.Errorf("a lead is invited: %d", got.status)
	}
	link := invite("assistant")
	guest := h.nobody()
	var invitation wire.Invitation
	guest.send("GET", link, nil).into(t, &invitation)
	if invitation.Class != "Orchard room" || invitation.Role != "assistant" {
		t.Errorf("%+v", invitation)
	}
	for name, c := range map[string]struct {
		ask   wire.Join
		field string
	}{
		"no name":          {wire.Join{Email: "ilse@school.test", Password: "honey-and-plums"}, "name"},
		"no email":         {wire.Join{Name: "Ilse", Email: "ilse", Password: "honey-and-plums"}, "email"},
		"a short password": {wire.Join{Name: "Ilse", Email: "ilse@school.test", Password: "plum"}, "password"},
		"an email in use":  {wire.Join{Name: "Ilse", Email: "Viewer@school.test", Password: "honey-and-plums"}, "email"},
	} {
		if got := guest.send("POST", link, c.ask); got.status < 400 || got.trouble(t).Field != c.field {
			t.Errorf("%s: %d %s", name, got.status, got.body)
		}
	}
	var me wire.Me
	guest.send("POST", link, wire.Join{Name: "Ilse", Email: "ilse@school.test", Password: "honey-and-plums"}).into(t, &me)
	if me.Name != "Ilse" || len(me.Classes) != 1 || me.Classes[0].Role != "assistant" {
		t.Errorf("%+v", me)
	}
	if got := guest.send("GET", guest.class(""), nil); got.status != 200 { // logged in at once
		t.Errorf("%d", got.status)
	}
	for _, p := range []person{h.nobody(), guest} {
		if got := p.send("GET", link, nil); got.status != 404 {
			t.Errorf("a used link: %d", got.status)
		}
	}
	// Who is logged in comes in as they are.
	stranger := h.person("stranger")
	stranger.send("POST", invite("viewer"), wire.Join{}).into(t, &me)
	if len(me.Classes) != 2 {
		t.Errorf("%+v", me)
	}
	for name, path := range map[string]string{"made up": "/api/invitations/NOWHERE", "nothing": "/api/invitations/x"} {
		if got := h.nobody().send("GET", path, nil); got.status != 404 {
			t.Errorf("%s: %d", name, got.status)
		} else {
			got.trouble(t)
		}
	}
}

// What is exported is what is kept, with the notes.
func TestExport(t *testing.T) {
	h := newHouse(t)
	lead := h.person("lead")
	id := lead.lessonOf(h.wren)
	note := "hums while counting"
	ask := observed(h.wren)
	ask.Note = &note
	lead.send("POST", lead.class("/lessons/"+id+"/observations"), ask)
	lead.send("POST", lead.class("/lessons/"+lead.lessonOf(h.wren)+"/estimates"), wire.Say{Learner: h.wren.String(), Value: 3800})
	got := lead.send("GET", lead.class("/learners/"+h.wren.String()+"/export.json"), nil)
	var out struct {
		Name      string
		Records   []struct{ Problem, Note, RecordedBy string }
		Estimates []struct {
			Problem string
			Value   int
		}
	}
	if err := json.Unmarshal(got.body, &out); err != nil || out.Name != "Wren A." || len(out.Records) != 1 || out.Records[0].Problem != "1458+2367" || out.Records[0].Note != note || len(out.Estimates) != 1 || out.Estimates[0].Value != 3800 {
		t.Errorf("%s, %v", got.body, err)
	}
	if disposition := got.header.Get("Content-Disposition"); !strings.Contains(disposition, `attachment; filename="Wren A., Orchard room, 20`) {
		t.Errorf("it is %q", disposition)
	}
	if csv := lead.send("GET", lead.class("/learners/"+h.wren.String()+"/export.csv"), nil); strings.Count(string(csv.body), "\r\n") != 2 || !strings.Contains(string(csv.body), note) {
		t.Errorf("%s", csv.body)
	}
}

// A correction from the child's page, a day later: it keeps the day, the note and
// the stage of what it corrects, and a repeated save is harmless. One who corrects
// what is corrected already is told; another child's record is out of reach.
func TestCorrections(t *testing.T) {
	h := newHouse(t)
	lead := h.person("lead")
	id := lead.lessonOf(h.wren)
	note := "hums while counting"
	first := observed(h.wren)
	first.Answer, first.Came, first.Day, first.Note, first.AnotherRun = "3815", "typed", "2026-11-25", &note, false
	if got := lead.send("POST", lead.class("/lessons/"+id+"/observations"), first); got.status != 200 {
		t.Fatalf("%d %s", got.status, got.body)
	}
	path := lead.class("/learners/" + h.wren.String() + "/corrections")
	mended := first
	mended.ID, mended.Replaces, mended.Note, mended.Answer, mended.Help = uuid.NewString(), first.ID, nil, "3825", "nudged"
	var view wire.LearnerView
	for range 2 {
		got := h.person("assistant").send("POST", path, mended)
		if got.status != 200 {
			t.Fatalf("%d %s", got.status, got.body)
		}
		got.into(t, &view)
	}
	if len(view.Part.Entries) != 2 || view.Part.Entries[0].Note != "" {
		t.Errorf("an assistant sees %+v", view.Part.Entries)
	}
	lead.send("GET", lead.class("/learners/"+h.wren.String()), nil).into(t, &view)
	for _, e := range view.Part.Entries {
		if e.ID == mended.ID && (!e.Current || !e.Right || e.Note != note || e.Day != "2026-11-25" || e.By != "assistant" || e.Help != "nudged") || e.ID == first.ID && e.Current {
			t.Errorf("%+v", e)
		}
	}

	left := mended
	left.ID, left.Replaces, left.Withdrawn = uuid.NewString(), mended.ID, true
	for name, c := range map[string]struct {
		spoil  func(*wire.Observe)
		status int
		field  string
	}{
		"what is corrected already": {func(o *wire.Observe) { o.Replaces = first.ID }, 409, "replaces"},
		"what was never written":    {func(o *wire.Observe) { o.Replaces = uuid.NewString() }, 422, "replaces"},
		"nothing":                   {func(o *wire.Observe) { o.Replaces = "" }, 422, "replaces"},
		"marked right and wrong":    {func(o *wire.Observe) { o.Answer, o.Came = "3815", "marked" }, 422, "answer"},
		"dated in the future":       {func(o *wire.Observe) { o.Day = "2026-12-24" }, 422, "day"},
		"as nothing to write":       {func(*wire.Observe) {}, 200, ""},
	} {
		ask := left
		ask.ID = uuid.NewString()
		c.spoil(&ask)
		got := lead.send("POST", path, ask)
		if got.status != c.status || c.status != 200 && got.trouble(t).Field != c.field {
			t.Errorf("%s: %d %.200s", name, got.status, got.body)
		}
	}
	other := uuid.New()
	if err := h.store.AddLearner(context.Background(), h.orchard, store.Learner{ID: other, Name: "Jory P."}, time.Now()); err != nil {
		t.Fatal(err)
	}
	if got := lead.send("POST", lead.class("/learners/"+other.String()+"/corrections"), left); got.status != 422 {
		t.Errorf("from another child's page: %d %s", got.status, got.body)
	}
	if got := lead.send("DELETE", lead.class("/learners/"+h.wren.String()), nil); got.status != 204 && got.status != 200 {
		t.Fatalf("%d %s", got.status, got.body)
	}
	if got := lead.send("POST", path, left); got.status != 404 {
		t.Errorf("of an erased child: %d %s", got.status, got.body)
	}
}

// Lessons that have ended are listed by their day, and Today lists its own.
func TestLessonsByDay(t *testing.T) {
	h := newHouse(t)
	lead := h.person("lead")
	id := lead.lessonOf(h.wren)
	on := func(query string) (d wire.LessonDay) {
		t.Helper()
		got := lead.send("GET", lead.class("/lessons"+query), nil)
		if got.status != 200 {
			t.Fatalf("%d %s", got.status, got.body)
		}
		got.into(t, &d)
		return d
	}
	if d := on(""); len(d.Lessons) != 0 || d.Day != "2026-11-26" {
		t.Errorf("one that goes on is listed: %+v", d)
	}
	if got := lead.change(id, wire.LessonChange{Stand: "ended"}); got.status != 200 {
		t.Fatalf("%s", got.body)
	}
	if d := on(""); len(d.Lessons) != 1 || d.Lessons[0].ID != id || d.Lessons[0].Children[0] != "Wren A." || d.Lessons[0].At != "00:30" || d.Before != "" || d.After != "" {
		t.Errorf("%+v", d)
	}
	if d := on("?day=2026-11-20"); len(d.Lessons) != 0 || d.After != "2026-11-26" || d.Before != "" {
		t.Errorf("%+v", d)
	}
	if d := on("?day=2026-12-20"); d.Before != "2026-11-26" || d.After != "" {
		t.Errorf("%+v", d)
	}
	var today wire.Today
	lead.send("GET", lead.class("/today"), nil).into(t, &today)
	if len(today.Done) != 1 || today.Done[0].ID != id {
		t.Errorf("done today: %+v", today.Done)
	}
	if got := lead.send("GET", lead.class("/lessons?day=soon"), nil); got.status != 422 || got.trouble(t).Field != "day" {
		t.Errorf("%d %s", got.status, got.body)
	}
}
