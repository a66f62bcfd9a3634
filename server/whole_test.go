package server_test

import (
	"bufio"
	"bytes"
	"context"
	"encoding/json"
	"fmt"
	"net/http"
	"strings"
	"testing"
	"time"

	"github.com/google/uuid"

	"vineswap/core/book"
	"vineswap/pgtest"
	"vineswap/server"
	"vineswap/store"
	"vineswap/wire"
)

// children adds so many more to the orchard class.
func (h house) children(n int) []uuid.UUID {
	h.Helper()
	ids := []uuid.UUID{h.wren}
	for i := len(ids); i < n; i++ {
		l := store.Learner{ID: uuid.New(), Name: fmt.Sprintf("Plum %02d", i)}
		if err := h.store.AddLearner(context.Background(), h.orchard, l, time.Now()); err != nil {
			h.Fatal(err)
		}
		ids = append(ids, l.ID)
	}
	return ids
}

// flashes opens a lesson for the whole class on flashes of a rack.
func (p person) flashes(numbers ...int) string {
	p.Helper()
	ask := wire.NewLesson{ID: uuid.NewString(), Whole: true}
	for _, n := range numbers {
		record := fmt.Sprintf(`{"kind":"number","version":2,"data":{"number":%d,"shown":"rack-100","answered":"write"}}`, n)
		ask.Tasks = append(ask.Tasks, wire.NewTask{Task: json.RawMessage(record), Stage: "tens/tens-and-ones", Flash: &wire.Flash{Tenths: 20, Times: 1}})
	}
	if got := p.send("POST", p.class("/lessons"), ask); got.status != 200 {
		p.Fatalf("no lesson: %d %s", got.status, got.body)
	}
	return ask.ID
}

func (p person) moved(lesson string, change wire.LessonChange) wire.Lesson {
	p.Helper()
	got := p.send("PATCH", p.class("/lessons/"+lesson), change)
	if got.status != 200 {
		p.Fatalf("%+v: %d %s", change, got.status, got.body)
	}
	var l wire.Lesson
	got.into(p.TB, &l)
	return l
}

// A warm-up of a whole class: all who are here come, the guide holds the pace, three slates are
// not right, one explains; what is kept is in the children's records, and the queue goes on.
func TestARoundOfSlates(t *testing.T) {
	h := newHouse(t)
	ids := h.children(24)
	lead := h.person("lead")
	lead.send("PUT", lead.class("/away"), wire.SetAway{Learner: ids[9].String(), Away: true})
	id := lead.flashes(24, 51, 67)
	l := lead.moved(id, wire.LessonChange{Revision: 1, Pace: "show"})
	if l.Round == nil || l.Round.Pace != "show" || !l.Round.Slated || l.Round.Flash.Covered != 1000 || len(l.Children) != 23 || !l.Link.Whole || len(l.Link.Ribbon) != 3 || l.Link.Ribbon[1].Name != "51" {
		t.Fatalf("%+v", l.Round)
	}
	var slates wire.Slates
	lead.send("GET", lead.class("/lessons/"+id+"/slates"), nil).into(t, &slates)
	if len(slates.Children) != 23 || slates.Right != "24" || len(slates.Queue) != 23 || slates.Queue[0].Says != "has not explained yet" || slates.Says != "23 children have not explained today, 23 of them not this week." {
		t.Fatalf("%+v", slates)
	}
	if got := slates.Ways[0]; got.ID != "tens-then-ones" {
		t.Errorf("24 is seen as %v first, of %v", got, slates.Glances)
	}
	next := slates.Queue[0].ID
	round := wire.KeepRound{ID: uuid.NewString(), Nth: 0, SeenAt: "2026-11-25T11:20:00Z",
		Slates: []wire.SlateMarked{{Learner: ids[0].String(), Mark: "gave", Answer: "42"}, {Learner: ids[1].String(), Mark: "not-read"}, {Learner: ids[2].String(), Mark: "mirrored"}},
		Turns:  []wire.TurnTaken{{Learner: slates.Queue[1].ID}, {Learner: next, Took: true, Way: "tens-then-ones"}}}
	for range 2 { // sent again, as where the answer was lost
		got := lead.send("POST", lead.class("/lessons/"+id+"/rounds"), round)
		if got.status != 200 {
			t.Fatalf("%d %s", got.status, got.body)
		}
		got.into(t, &slates)
	}
	if slates.Kept == nil || slates.Kept.By != "lead" || slates.Rounds[0].Says != "21 of 22 right" || slates.Queue[0].ID == next || slates.Queue[22].ID != next || slates.Queue[21].Says != "passed by today" {
		t.Errorf("kept %+v, rounds %+v, last %+v", slates.Kept, slates.Rounds, slates.Queue[21:])
	}
	for i, want := range []int{1, 0, 1, 1} {
		list, err := h.store.Observations(context.Background(), ids[i])
		if err != nil || len(list) != want {
			t.Errorf("child %d has %d records, %v", i, len(list), err)
		}
	}
	of := uuid.MustParse(next)
	if list, _ := h.store.Observations(context.Background(), of); len(list) == 1 && list[0].Right() && (list[0].Help != book.Explains || list[0].Way != book.TensThenOnes) {
		t.Errorf("who explained: %+v", list)
	}
	if got := lead.send("GET", lead.class("/learners/"+ids[0].String()+"/export.json"), nil); !strings.Contains(string(got.body), `"mark": "gave"`) {
		t.Errorf("exported: %s", got.body)
	}
	var page wire.LearnerView
	lead.send("GET", lead.class("/learners/"+ids[0].String()), nil).into(t, &page)
	if len(page.Part.Entries) != 1 || !strings.Contains(string(lead.send("GET", lead.class("/learners/"+ids[0].String()), nil).body), "42 instead of 24") {
		t.Errorf("on the child's page: %+v", page.Part.Entries)
	}
}

// What cannot be kept is said beside its cause, and keeps nothing.
func TestWrongRounds(t *testing.T) {
	h := newHouse(t)
	ids := h.children(3)
	lead, other := h.person("lead"), h.person("assistant")
	id := lead.flashes(24, 51)
	alone := uuid.NewString()
	lead.send("POST", lead.class("/lessons"), wire.NewLesson{ID: alone, Tasks: tasks("sum", "", []int{4, 3}), Children: []string{h.wren.String()}})
	mark := func(learner, mark, answer string) wire.KeepRound {
		return wire.KeepRound{ID: uuid.NewString(), Slates: []wire.SlateMarked{{Learner: learner, Mark: mark, Answer: answer}}}
	}
	for name, c := range map[string]struct {
		lesson string
		ask    wire.KeepRound
		status int
	}{
		"a child of another class": {id, mark(h.mina.String(), "gave", "42"), 422},
		"no such mark":             {id, mark(ids[1].String(), "torn", ""), 422},
		"an endless answer":        {id, mark(ids[1].String(), "gave", strings.Repeat("4", 60)), 422},
		"the same child twice":     {id, wire.KeepRound{ID: uuid.NewString(), Slates: []wire.SlateMarked{{Learner: ids[1].String(), Mark: "blank"}, {Learner: ids[1].String(), Mark: "gave", Answer: "4"}}}, 422},
		"no such way":              {id, wire.KeepRound{ID: uuid.NewString(), Turns: []wire.TurnTaken{{Learner: ids[1].String(), Took: true, Way: "by magic"}}}, 422},
		"a task that is not there": {id, wire.KeepRound{ID: uuid.NewString(), Nth: 7}, 422},
		"of a lesson at the mat":   {alone, wire.KeepRound{ID: uuid.NewString()}, 422},
	} {
		if got := lead.send("POST", lead.class("/lessons/"+c.lesson+"/rounds"), c.ask); got.status != c.status {
			t.Errorf("%s: %d %s", name, got.status, got.body)
		} else {
			got.trouble(t)
		}
	}
	if got := lead.send("POST", lead.class("/lessons/"+id+"/rounds"), wire.KeepRound{ID: uuid.NewString()}); got.status != 200 {
		t.Fatalf("%s", got.body)
	}
	got := other.send("POST", other.class("/lessons/"+id+"/rounds"), mark(ids[1].String(), "gave", "42"))
	if tr := got.trouble(t); got.status != 409 || tr.Title != "This round was kept already, by lead" || tr.Field != "round" {
		t.Errorf("the second guide: %d %s", got.status, got.body)
	}
	if list, _ := h.store.Observations(context.Background(), ids[1]); len(list) != 1 || !list[0].Right() {
		t.Errorf("kept: %+v", list)
	}
	for name, c := range map[string]struct {
		change wire.LessonChange
		field  string
	}{
		"a flash of a number at rest": {wire.LessonChange{Revision: 1, Shown: new(int)}, "flash"}, "no such pace": {wire.LessonChange{Revision: 1, Pace: "sing"}, "pace"},
	} {
		lesson := id
		if c.field == "flash" {
			lesson = uuid.NewString()
			lead.send("POST", lead.class("/lessons"), wire.NewLesson{ID: lesson, Tasks: tasks("sum", "", []int{4, 3}), Whole: true})
		}
		if got := lead.send("PATCH", lead.class("/lessons/"+lesson), c.change); got.status != 422 || got.trouble(t).Field != c.field {
			t.Errorf("%s: %d %s", name, got.status, got.body)
		}
	}
	ask := wire.NewLesson{ID: uuid.NewString(), Tasks: tasks("sum", "", []int{4, 3}), Whole: true}
	ask.Tasks[0].Flash = &wire.Flash{Tenths: 0, Times: 1}
	if got := lead.send("POST", lead.class("/lessons"), ask); got.status != 422 || got.trouble(t).Field != "flash" || !strings.Contains(string(got.body), "half a second") {
		t.Errorf("a flash of 0 s: %d %s", got.status, got.body)
	}
	if got := lead.send("PUT", lead.class("/seats"), wire.SeatPlan{Seats: []wire.ClassSeat{{Learner: h.mina.String()}}}); got.status != 422 || got.trouble(t).Field != "seats" {
		t.Errorf("a seat plan of other children: %d %s", got.status, got.body)
	}
}

// code renews the code of somebody's window.
func (p person) code() string {
	p.Helper()
	var made wire.ProjectorCode
	p.send("POST", p.class("/projector"), wire.RenewCode{Renew: true}).into(p.TB, &made)
	return made.Code
}

// The class's window opens by its code without a log-in, and shows the lesson in the guide's
// hand: whatever kind it is, no name of a child, an adult or the class is in it, nor an id of a
// child.
func TestProjectorKnowsNoNames(t *testing.T) {
	h := newHouse(t)
	ids := h.children(6)
	lead, nobody := h.person("lead"), h.nobody()
	code := lead.code()
	names := []string{"Wren", "Plum", "lead", "Orchard"}
	for _, id := range ids {
		names = append(names, id.String())
	}
	look := func(what string) wire.Projector {
		t.Helper()
		got := nobody.send("GET", "/api/projector/"+code, nil)
		if got.status != 200 {
			t.Fatalf("%s: %d %s", what, got.status, got.body)
		}
		for _, name := range names {
			if bytes.Contains(got.body, []byte(name)) {
				t.Errorf("%s: %q is in the class's window", what, name)
			}
		}
		if cookies := nobody.client.Jar.Cookies(request(t, h.url).URL); len(cookies) != 0 {
			t.Errorf("%s: a session was made", what)
		}
		var out wire.Projector
		got.into(t, &out)
		return out
	}
	if out := look("nothing in hand"); out.Lesson != nil || out.Moment.Lesson != "" || len(out.Palette.Rack) != 2 {
		t.Errorf("%+v", out.Moment)
	}
	mat := uuid.NewString()
	lead.send("POST", lead.class("/lessons"), wire.NewLesson{ID: mat, Tasks: tasks("sum", "", []int{1458, 2367}), Children: []string{ids[0].String(), ids[1].String()}})
	if out := look("gathering"); out.Lesson != nil {
		t.Error("what is still gathered is shown")
	}
	lead.moved(mat, wire.LessonChange{Revision: 1, Stand: "mat"})
	if out := look("at the mat"); out.Lesson == nil || len(out.Lesson.Steps) < 20 || len(out.Lesson.Children) != 0 {
		t.Error("the mat is not shown")
	}
	id := lead.flashes(24, 51)
	lead.moved(id, wire.LessonChange{Revision: 1, Pace: "write", Shown: intOf(1)})
	if out := look("flashes"); out.Lesson == nil || out.Moment.Pace != "write" || out.Moment.Shown != 1 || out.Progress.Name != "first of two" || out.Lesson.Round.Flash.Tenths != 20 {
		t.Errorf("%+v", out.Moment)
	}
	for _, o := range []wire.Opener{{Kind: "card", Text: "Say a number that hides its ten."}, {Kind: "spot-slip", Count: 1, Stage: "joining/one-swap-ones"}, {Kind: "head", Count: 1, Stage: "joining/over-ten"}} {
		if got := lead.send("POST", lead.class("/openers/run"), wire.RunOpeners{ID: uuid.NewString(), Openers: []wire.Opener{o}}); got.status != 200 {
			t.Fatalf("%s: %s", o.Kind, got.body)
		}
		out := look(o.Kind)
		if out.Lesson == nil || o.Kind == "card" && out.Lesson.Card != o.Text || o.Kind == "spot-slip" && len(out.Lesson.Spot.Examples) != 3 {
			t.Errorf("%s: %+v", o.Kind, out.Lesson)
		}
	}
}

func intOf(n int) *int { return &n }

func request(t *testing.T, url string) *http.Request {
	t.Helper()
	req, err := http.NewRequest("GET", url, nil)
	if err != nil {
		t.Fatal(err)
	}
	return req
}

// A code that is guessed a thousand times stays shut, costs some rows and no more, and leaves
// the window alone that was opened already. Renewed, the old code and its window open nothing.
func TestCodesAreNotGuessed(t *testing.T) {
	h := newHouse(t)
	lead, nobody := h.person("lead"), h.nobody()
	code := lead.code()
	var window wire.Projector
	nobody.send("GET", "/api/projector/"+strings.ToUpper(code), nil).into(t, &window)
	before, err := h.store.CountLogins(context.Background())
	if err != nil {
		t.Fatal(err)
	}
	shut, refused := 0, 0
	for i := range 1_000 {
		guess := fmt.Sprintf("guess%c%c%c", "abcdefghjk"[i/100], "abcdefghjk"[i/10%10], "abcdefghjk"[i%10])
		switch got := nobody.send("GET", "/api/projector/"+guess, nil); got.status {
		case 404:
			shut++
		case 429:
			refused++
		default:
			t.Fatalf("%s: %d %s", guess, got.status, got.body)
		}
	}
	if shut != 30 || refused != 970 {
		t.Errorf("%d codes were looked at, %d refused", shut, refused)
	}
	if after, err := h.store.CountLogins(context.Background()); err != nil || after-before > 2 {
		t.Errorf("%d rows more, %v", after-before, err)
	}
	if got := nobody.send("GET", "/api/projector/"+window.Pass, nil); got.status != 200 {
		t.Errorf("the window that was open: %d", got.status)
	}
	if got := nobody.send("GET", "/api/projector/"+code, nil); got.status != 429 {
		t.Errorf("the code, from where it was guessed: %d", got.status)
	}
	for _, word := range []string{"short", "with-dash", strings.Repeat("a", 4_000), "ooooooo0", "drop%20it"} {
		if got := nobody.send("GET", "/api/projector/"+word, nil); got.status != 404 {
			t.Errorf("%.20s: %d", word, got.status)
		}
	}
	lead.code()
	if got := nobody.send("GET", "/api/projector/"+window.Pass, nil); got.status != 404 || got.trouble(t).Field != "code" {
		t.Errorf("the window of the old code: %d", got.status)
	}
}

// follow opens a stream and hands out its moments.
func (p person) follow(path string) <-chan wire.Moment {
	p.Helper()
	ctx, stop := context.WithCancel(context.Background())
	p.Cleanup(stop)
	req, err := http.NewRequestWithContext(ctx, "GET", p.url+path, nil)
	if err != nil {
		p.Fatal(err)
	}
	res, err := (&http.Client{Jar: p.client.Jar}).Do(req)
	if err != nil || res.StatusCode != 200 {
		p.Fatalf("%s: %v, %v", path, res, err)
	}
	moments := make(chan wire.Moment, 64)
	go func() {
		defer res.Body.Close()
		defer close(moments)
		stream := bufio.NewReader(res.Body)
		for {
			data, err := eventIn(stream)
			if err != nil {
				return
			}
			var m wire.Moment
			if json.Unmarshal(data, &m) == nil {
				moments <- m
			}
		}
	}()
	return moments
}

// until waits for a moment of which something is true.
func until(t *testing.T, moments <-chan wire.Moment, what string, is func(wire.Moment) bool) wire.Moment {
	t.Helper()
	late := time.After(20 * time.Second)
	for {
		select {
		case m, open := <-moments:
			if !open {
				t.Fatalf("%s: the stream has ended", what)
			}
			if is(m) {
				return m
			}
		case <-late:
			t.Fatalf("%s: not told", what)
		}
	}
}

// Two servers on one database: a projector at the one follows the guide at the other, and so
// does the guide's second device; another guide's lesson is told to neither. After the
// database was cut off all is told again.
func TestProjectorFollowsOverTwoServers(t *testing.T) {
	h := newHouse(t)
	h.children(4)
	via := pgtest.Between(t, h.db)
	far := h
	far.store = pgtest.Open(t, via.URL)
	far.url = far.serve(server.Options{Store: far.store, Screens: screens})
	lead, other := h.person("lead"), h.person("assistant")
	code := lead.code()
	id := lead.flashes(24, 51, 67)
	projector, device := far.nobody().follow("/api/projector/"+code+"/events"), far.person("lead").follow(lead.class("/events"))
	for _, moments := range []<-chan wire.Moment{projector, device} {
		until(t, moments, "at once", func(m wire.Moment) bool { return m.Lesson == id && m.Pace == "look" })
	}
	other.flashes(11, 12)
	revision := 1
	for _, pace := range []string{"write", "show", "flat", "explain", "together", "wipe"} {
		lead.moved(id, wire.LessonChange{Revision: revision, Pace: pace})
		revision++
		for _, moments := range []<-chan wire.Moment{projector, device} {
			if m := until(t, moments, pace, func(m wire.Moment) bool { return m.Pace == pace }); m.Lesson != id || m.Revision != revision {
				t.Errorf("%s: %+v", pace, m)
			}
		}
	}
	via.Cut()
	via.Mend()
	lead.moved(id, wire.LessonChange{Revision: revision, Nth: intOf(1)})
	until(t, projector, "after the cut", func(m wire.Moment) bool { return m.Nth == 1 && m.Pace == "look" })
	// A step from before is told, and caught up.
	got := far.person("lead").send("PATCH", lead.class("/lessons/"+id), wire.LessonChange{Revision: revision, Pace: "show"})
	if tr := got.trouble(t); got.status != 409 || tr.Lesson == nil || tr.Lesson.Link.Nth != 1 {
		t.Errorf("a stale step: %d %s", got.status, got.body)
	}
}

// Openers are kept and run: a row draws its tasks anew, for those who are here.
func TestOpeners(t *testing.T) {
	h := newHouse(t)
	h.children(5)
	lead := h.person("lead")
	var page wire.Openers
	lead.send("GET", lead.class("/openers"), nil).into(t, &page)
	if len(page.Kinds) != 10 || len(page.Rows) != 0 || len(page.Slips) < 20 || page.Kinds[0].Says != "5, rack of 100, up to 100, 2 s, once" {
		t.Fatalf("%+v", page.Kinds)
	}
	card := page.Kinds[9]
	card.Text = "Ten pots and three pots: say it two ways."
	row := wire.OpenerRow{ID: uuid.NewString(), Name: "  Monday  row ", Openers: append(page.Kinds[:9:9], card)}
	if got := lead.send("PUT", lead.class("/openers"), row); got.status != 422 || !strings.Contains(string(got.body), "at most 24 tasks") {
		t.Errorf("too long a row: %d %s", got.status, got.body)
	}
	row.Openers = append(page.Kinds[:3:3], card)
	if got := lead.send("PUT", lead.class("/openers"), row); got.status != 200 {
		t.Fatalf("%s", got.body)
	} else if got.into(t, &page); len(page.Rows) != 1 || page.Rows[0].Name != "Monday row" || page.Rows[0].Revision != 1 {
		t.Errorf("%+v", page.Rows)
	}
	if got := lead.send("PUT", lead.class("/openers"), row); got.status != 409 || got.trouble(t).Field != "row" {
		t.Errorf("from an older revision: %d", got.status)
	}
	spoilt := row
	spoilt.Revision, spoilt.Openers = 1, []wire.Opener{row.Openers[0]}
	spoilt.Openers[0].Flash = &wire.Flash{Tenths: 0, Times: 1}
	if got := lead.send("PUT", lead.class("/openers"), spoilt); got.status != 422 || got.trouble(t).Field != "flash" {
		t.Errorf("a flash of 0 s: %d %s", got.status, got.body)
	}
	run := wire.RunOpeners{ID: uuid.NewString(), Openers: page.Rows[0].Openers}
	var l wire.Lesson
	for range 2 { // sent again it is the same lesson
		got := lead.send("POST", lead.class("/openers/run"), run)
		if got.status != 200 {
			t.Fatalf("%s", got.body)
		}
		got.into(t, &l)
	}
	if l.Link.Tasks != 5+3+3+1 || l.Round.Pace != "look" || len(l.Children) != 5 || l.Round.Flash == nil {
		t.Errorf("%d tasks, %+v", l.Link.Tasks, l.Round)
	}
	last := lead.moved(run.ID, wire.LessonChange{Revision: 1, Nth: intOf(l.Link.Tasks - 1)})
	if last.Card != card.Text || last.Round.Slated || last.Round.Flash != nil {
		t.Errorf("%+v", last)
	}
	if got := lead.send("POST", lead.class("/lessons/"+run.ID+"/rounds"), wire.KeepRound{ID: uuid.NewString(), Nth: l.Link.Tasks - 1, Turns: []wire.TurnTaken{{Learner: h.wren.String(), Took: true}}}); got.status != 200 {
		t.Errorf("who spoke about a card: %s", got.body)
	}
	if list, _ := h.store.Observations(context.Background(), h.wren); len(list) != 0 {
		t.Errorf("a card is recorded: %+v", list)
	}
}

// BenchmarkStep measures a step of the guide, alone and with 40 projectors that follow it.
func BenchmarkStep(b *testing.B) {
	for _, projectors := range []int{0, 40} {
		b.Run(fmt.Sprint(projectors, " projectors"), func(b *testing.B) {
			h := newHouse(b)
			lead := h.person("lead")
			code := lead.code()
			id := lead.flashes(24, 51, 67)
			for range projectors {
				h.nobody().follow("/api/projector/" + code + "/events")
			}
			revision := 1
			for b.Loop() {
				lead.moved(id, wire.LessonChange{Revision: revision, Pace: []string{"write", "show"}[revision%2]})
				revision++
			}
		})
	}
}
