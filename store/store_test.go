package store_test

import (
	"context"
	"errors"
	"os"
	"reflect"
	"slices"
	"sync"
	"testing"
	"time"

	"github.com/google/uuid"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/lesson"
	"vineswap/core/material"
	"vineswap/core/problem"
	"vineswap/core/say"
	"vineswap/core/setting"
	"vineswap/core/swap"
	"vineswap/pgtest"
	"vineswap/store"
)

func TestMain(m *testing.M) { os.Exit(pgtest.Main(m)) }

var ctx = context.Background()

// school is a store with two classes, each with a lead and two learners.
type school struct {
	*store.Store
	url              string
	orchard, bees    store.Class
	hanne, bo        store.Account
	wren, jory, mina store.Learner
}

func newSchool(t *testing.T) school {
	t.Helper()
	url := pgtest.URL(t)
	s := school{Store: pgtest.Open(t, url), url: url}
	s.orchard = store.Class{ID: uuid.New(), Name: "Orchard room", Zone: "Europe/Vienna", Settings: setting.Default()}
	s.bees = store.Class{ID: uuid.New(), Name: "Bee room", Zone: "Pacific/Auckland", Settings: setting.Default()}
	s.hanne = store.Account{ID: uuid.New(), Email: "hanne@school.test", Name: "Hanne", Password: "x"}
	s.bo = store.Account{ID: uuid.New(), Email: "bo@school.test", Name: "Bo", Password: "x"}
	s.wren, s.jory, s.mina = store.Learner{ID: uuid.New(), Name: "Wren A."}, store.Learner{ID: uuid.New(), Name: "Jory P."}, store.Learner{ID: uuid.New(), Name: "Mina S."}
	must(t, s.AddAccountWithClass(ctx, s.hanne, s.orchard), s.AddAccountWithClass(ctx, s.bo, s.bees))
	day := time.Date(2026, 9, 1, 0, 0, 0, 0, time.UTC)
	must(t, s.AddLearner(ctx, s.orchard.ID, s.wren, day), s.AddLearner(ctx, s.orchard.ID, s.jory, day), s.AddLearner(ctx, s.bees.ID, s.mina, day))
	return s
}

func must(t *testing.T, errs ...error) {
	t.Helper()
	if err := errors.Join(errs...); err != nil {
		t.Fatal(err)
	}
}

func TestMigrate(t *testing.T) {
	url := pgtest.Empty(t)
	s := pgtest.Open(t, url)
	var wg sync.WaitGroup
	steps := make([]int, 4)
	for i := range steps {
		wg.Go(func() {
			n, err := s.Migrate(ctx)
			if err != nil {
				t.Error(err)
			}
			steps[i] = n
		})
	}
	wg.Wait()
	if sum := steps[0] + steps[1] + steps[2] + steps[3]; sum != 4 {
		t.Errorf("four at once took %v steps", steps)
	}
	pgtest.Exec(t, url, `insert into goose_db_version (version_id, is_applied) values (99999, true)`)
	if _, err := s.Migrate(ctx); !errors.Is(err, store.ErrNewer) {
		t.Errorf("a newer schema gave %v", err)
	}
}

// Every older schema, with its rows, is brought up to date with all of them.
func TestMigrateKeepsOldRows(t *testing.T) {
	old := func(dump string, steps int) *store.Store {
		url := pgtest.Empty(t)
		text, err := os.ReadFile("testdata/" + dump)
		must(t, err)
		pgtest.Exec(t, url, string(text))
		s := pgtest.Open(t, url)
		if n, err := s.Migrate(ctx); n != steps || err != nil {
			t.Fatalf("%s: %d steps, %v", dump, n, err)
		}
		return s
	}
	testArrival(t, old("schema-3.sql", 1))
	s := old("schema-2.sql", 2)
	if n, err := s.Rejudge(ctx); n != 46 || err != nil {
		t.Errorf("%d learners judged, %v", n, err)
	}
	orla, err := s.AccountByEmail(ctx, "orla@vineswap.test")
	must(t, err)
	seen := 0
	rooms, err := s.Memberships(ctx, orla.ID)
	must(t, err)
	for _, room := range rooms {
		_, children, err := s.Stands(ctx, room.ClassID)
		must(t, err)
		for _, child := range children {
			seen += len(child.Standings)
		}
	}
	if seen == 0 {
		t.Error("nothing is left of what was recorded")
	}
	s = old("schema-1.sql", 3)
	hanne, err := s.AccountByEmail(ctx, "hanne@vineswap.test")
	must(t, err)
	classes, err := s.Memberships(ctx, hanne.ID)
	must(t, err)
	learners, err := s.Learners(ctx, classes[0].ClassID)
	if err != nil || len(learners) != 22 {
		t.Errorf("%d learners, %v", len(learners), err)
	}
	id, err := s.LessonInHand(ctx, hanne.ID, classes[0].ClassID)
	must(t, err)
	l, err := s.Lesson(ctx, classes[0].ClassID, id)
	if err != nil || len(l.Seated) != 2 || l.Current().Task.String() != "1458+2367" {
		t.Errorf("%+v, %v", l, err)
	}
	if n, err := s.Rejudge(ctx); n != 46 || err != nil {
		t.Errorf("%d learners judged, %v", n, err)
	}
}

func TestAccounts(t *testing.T) {
	s := newSchool(t)
	a, err := s.AccountByEmail(ctx, "Hanne@School.test")
	if err != nil || a.ID != s.hanne.ID {
		t.Fatalf("found %+v, %v", a, err)
	}
	if _, err := s.AccountByEmail(ctx, "nobody@school.test"); !errors.Is(err, store.ErrNone) {
		t.Errorf("nobody: %v", err)
	}
	again := store.Account{ID: uuid.New(), Email: "HANNE@school.test", Name: "Other", Password: "y"}
	other := store.Class{ID: uuid.New(), Name: "Shed", Zone: "Europe/Vienna"}
	if err := s.AddAccountWithClass(ctx, again, other); !errors.Is(err, store.ErrTaken) {
		t.Errorf("an email was used twice: %v", err)
	}
	if _, err := s.Class(ctx, other.ID); !errors.Is(err, store.ErrNone) {
		t.Error("half of an account and its class was kept")
	}
	must(t, s.SetPassword(ctx, "hanne@SCHOOL.test", "new"))
	if a, _ = s.AccountByID(ctx, s.hanne.ID); a.Password != "new" {
		t.Error("the password was not replaced")
	}
	if err := s.SetPassword(ctx, "nobody@school.test", "new"); !errors.Is(err, store.ErrNone) {
		t.Errorf("nobody's password: %v", err)
	}
}

func TestRoles(t *testing.T) {
	s := newSchool(t)
	must(t, s.Join(ctx, s.bo.ID, s.orchard.ID, store.Viewer))
	must(t, s.Join(ctx, s.bo.ID, s.orchard.ID, store.Assistant))
	if r, err := s.RoleIn(ctx, s.bo.ID, s.orchard.ID); r != store.Assistant || err != nil {
		t.Errorf("role %q, %v", r, err)
	}
	if _, err := s.RoleIn(ctx, s.hanne.ID, s.bees.ID); !errors.Is(err, store.ErrNone) {
		t.Errorf("another's class: %v", err)
	}
	list, err := s.Memberships(ctx, s.bo.ID)
	if err != nil || len(list) != 2 || list[0].Class != "Bee room" || list[1].Role != store.Assistant {
		t.Errorf("%+v, %v", list, err)
	}
	for _, c := range []struct {
		have, least store.Role
		may         bool
	}{{store.Lead, store.Lead, true}, {store.Assistant, store.Lead, false}, {store.Viewer, store.Viewer, true}, {"", store.Viewer, false}, {"owner", store.Viewer, false}, {store.Lead, "", false}} {
		if c.have.May(c.least) != c.may {
			t.Errorf("%q may %q: want %v", c.have, c.least, c.may)
		}
	}
}

func TestSettings(t *testing.T) {
	s := newSchool(t)
	c, err := s.Class(ctx, s.orchard.ID)
	must(t, err)
	set := c.Settings
	set.Swap, set.And = say.Trade, true
	must(t, s.SetSettings(ctx, c.ID, c.Revision, set))
	if err := s.SetSettings(ctx, c.ID, c.Revision, setting.Default()); !errors.Is(err, store.ErrStale) {
		t.Errorf("a stale write: %v", err)
	}
	if now, err := s.Class(ctx, c.ID); err != nil || now.Settings != set || now.Revision != c.Revision+1 {
		t.Errorf("kept %+v, %v", now, err)
	}
	if err := s.AddClass(ctx, store.Class{ID: uuid.New(), Name: "Nowhere", Zone: "Mars/North"}); err == nil {
		t.Error("a zone that is none was kept")
	}
}

func TestLearners(t *testing.T) {
	s := newSchool(t)
	list, err := s.Learners(ctx, s.orchard.ID)
	if err != nil || len(list) != 2 || list[0].Name != "Jory P." {
		t.Errorf("%+v, %v", list, err)
	}
	if err := s.AddLearner(ctx, s.orchard.ID, store.Learner{ID: uuid.New(), Name: "wren a."}, time.Now()); !errors.Is(err, store.ErrTaken) {
		t.Errorf("a name twice: %v", err)
	}
	must(t, s.AddLearner(ctx, s.bees.ID, store.Learner{ID: uuid.New(), Name: "Wren A."}, time.Now()))
}

func (s school) lesson(t *testing.T, children ...string) store.Lesson {
	t.Helper()
	l, err := lesson.New(lesson.Items("", problem.SumOf(1458, 2367), problem.SumOf(25, 47)), material.Beads, children)
	must(t, err)
	return store.Lesson{Lesson: l, ID: uuid.New(), ClassID: s.orchard.ID, OpenedBy: s.hanne.ID, ChangedAt: time.Now()}
}

func TestLesson(t *testing.T) {
	s := newSchool(t)
	l := s.lesson(t, s.wren.ID.String(), s.jory.ID.String())
	must(t, s.AddLesson(ctx, l))
	must(t, s.AddLesson(ctx, l)) // a repeated request
	kept, err := s.Lesson(ctx, s.orchard.ID, l.ID)
	must(t, err)
	if len(kept.Children) != 2 || kept.Children[1] != s.jory.ID.String() || kept.Seated[0] != s.wren || kept.Current().Task.Key() != "sum:1458+2367" || len(kept.Items) != 2 || kept.Revision != 1 {
		t.Errorf("kept %+v", kept)
	}
	if id, err := s.LessonInHand(ctx, s.hanne.ID, s.orchard.ID); err != nil || id != l.ID {
		t.Errorf("in hand %v, %v", id, err)
	}
	if _, err := s.LessonInHand(ctx, s.bo.ID, s.orchard.ID); !errors.Is(err, store.ErrNone) {
		t.Errorf("in another's hand: %v", err)
	}
	if _, err := s.Lesson(ctx, s.bees.ID, l.ID); !errors.Is(err, store.ErrNone) {
		t.Errorf("another class's lesson: %v", err)
	}
	elsewhere := l
	elsewhere.ClassID = s.bees.ID
	if err := s.AddLesson(ctx, elsewhere); !errors.Is(err, store.ErrTaken) {
		t.Errorf("the id in another class: %v", err)
	}
}

func TestLessonRefusesStrangers(t *testing.T) {
	s := newSchool(t)
	for name, child := range map[string]string{"a child of another class": s.mina.ID.String(), "no id": "wren", "nobody": uuid.NewString()} {
		l := s.lesson(t, child)
		if err := s.AddLesson(ctx, l); !errors.Is(err, store.ErrNone) {
			t.Errorf("%s: %v", name, err)
		}
		if _, err := s.Lesson(ctx, s.orchard.ID, l.ID); !errors.Is(err, store.ErrNone) {
			t.Errorf("%s: half of the lesson was kept", name)
		}
	}
}

// Of two writers who read the same revision, one is kept and one is told.
func TestTwoWritersAtOnce(t *testing.T) {
	s := newSchool(t)
	l := s.lesson(t)
	must(t, s.AddLesson(ctx, l))
	kept, err := s.Lesson(ctx, s.orchard.ID, l.ID)
	must(t, err)
	at, err := swap.ParsePosition("work/tens/1")
	must(t, err)
	kept.Lesson, err = kept.With(lesson.Change{At: &at})
	must(t, err)
	errs := make([]error, 8)
	var wg sync.WaitGroup
	for i := range errs {
		wg.Go(func() { errs[i] = s.SaveLesson(ctx, s.hanne.ID, kept) })
	}
	wg.Wait()
	saved := 0
	for _, err := range errs {
		if err == nil {
			saved++
		} else if !errors.Is(err, store.ErrStale) {
			t.Error(err)
		}
	}
	now, err := s.Lesson(ctx, s.orchard.ID, l.ID)
	must(t, err)
	if saved != 1 || now.Revision != 2 || now.At != at {
		t.Errorf("%d saved, revision %d at %v", saved, now.Revision, now.At)
	}
}

func TestEndedLessonsLeaveTheHand(t *testing.T) {
	s := newSchool(t)
	first, second := s.lesson(t), s.lesson(t)
	must(t, s.AddLesson(ctx, first), s.AddLesson(ctx, second))
	open, err := s.OpenLessons(ctx, s.orchard.ID)
	if err != nil || len(open) != 2 {
		t.Fatalf("open %v, %v", open, err)
	}
	kept, err := s.Lesson(ctx, s.orchard.ID, second.ID)
	must(t, err)
	kept.Stand = lesson.Ended
	must(t, s.SaveLesson(ctx, s.hanne.ID, kept))
	if _, err := s.LessonInHand(ctx, s.hanne.ID, s.orchard.ID); !errors.Is(err, store.ErrNone) {
		t.Errorf("an ended lesson is in hand: %v", err)
	}
	if open, _ = s.OpenLessons(ctx, s.orchard.ID); len(open) != 1 || open[0] != first.ID {
		t.Errorf("open %v", open)
	}
}

func TestSessions(t *testing.T) {
	s := newSchool(t)
	k := s.Sessions()
	must(t, k.Set("a", []byte("one"), time.Hour), k.Set("a", []byte("two"), time.Hour), k.Set("b", []byte("gone"), time.Nanosecond), k.Set("", []byte("x"), 0), k.Set("ever", []byte("kept"), 0))
	for key, want := range map[string]string{"a": "two", "b": "", "": "", "ever": "kept"} {
		if got, err := k.Get(key); err != nil || string(got) != want {
			t.Errorf("%q holds %q, %v; want %q", key, got, err, want)
		}
	}
	if n, err := k.Sweep(ctx); n != 1 || err != nil {
		t.Errorf("swept %d, %v", n, err)
	}
	must(t, k.Delete("a"), k.Delete("a"))
	if got, _ := k.Get("a"); got != nil {
		t.Errorf("a deleted key holds %q", got)
	}
	must(t, k.Reset(), k.Close())
	if got, _ := k.Get("ever"); got != nil {
		t.Error("a reset kept something")
	}
}

// The schema before tasks: what was recorded is there, snakes that were drawn count
// as snakes, three single digits no more as a new place, and for who worked with two
// digits the stages of single digits are met.
func testArrival(t *testing.T, s *store.Store) {
	t.Helper()
	hanne, err := s.AccountByEmail(ctx, "hanne@vineswap.test")
	must(t, err)
	rooms, err := s.Memberships(ctx, hanne.ID)
	must(t, err)
	room := rooms[0].ClassID
	learners, err := s.Learners(ctx, room)
	must(t, err)
	id := map[string]uuid.UUID{}
	for _, l := range learners {
		id[l.Name] = l.ID
	}
	state := func(name string, stage choose.StageID) ladder.State {
		child, err := s.StandOf(ctx, room, id[name])
		must(t, err)
		return child.Standings[ladder.Key{Stage: stage, Manner: book.Pieces}].State
	}
	for _, name := range []string{"Ada W.", "Bram D."} {
		if got := state(name, choose.FirstSnake); got != ladder.UnderWay {
			t.Errorf("%s worked a snake that was drawn, and it is %q", name, got)
		}
	}
	seen, err := s.Observations(ctx, id["Clio J."])
	must(t, err)
	over, corrected := 0, 0
	for _, o := range seen {
		if ladder.Credit(o.Task, o.Stage) == choose.OverTen {
			over++
		}
		if o.Replaces.Valid && o.Answer == "16" {
			corrected++
		}
	}
	if over != 10 || corrected != 2 || state("Clio J.", choose.OverTen) != ladder.UnderWay {
		t.Errorf("%d of single digits, %d corrected, %q", over, corrected, state("Clio J.", choose.OverTen))
	}
	shared, err := s.Observations(ctx, id["Esme Q."])
	must(t, err)
	if i := slices.IndexFunc(shared, func(o store.Observation) bool { return o.Task.String() == "97/4" }); i < 0 || !shared[i].Right() {
		t.Error("what was shared out is gone, or wrong")
	}
	said, err := s.EstimatesOf(ctx, id["Esme Q."])
	if err != nil || len(said) != 2 || said[0].Task.String() != "97/4" || said[0].Value != 20 {
		t.Errorf("estimates %+v, %v", said, err)
	}
	child, err := s.StandOf(ctx, room, id["Ada W."])
	must(t, err)
	for _, stage := range []choose.StageID{choose.WithinTen, choose.OverTen, choose.TakeWithinTen, choose.BackOverTen} {
		if !child.Met[stage] {
			t.Errorf("%s is not met for a child who worked with two digits", stage)
		}
	}
	if nobody, err := s.StandOf(ctx, room, id["Wren A."]); err != nil || len(nobody.Met) > 0 || len(nobody.Standings) > 0 {
		t.Errorf("of whom nothing is recorded: %+v, %v", nobody, err)
	}
	held, _, err := s.Held(ctx, room)
	must(t, err)
	open, err := s.OpenLessons(ctx, room)
	must(t, err)
	two := 0
	for _, lessonID := range open {
		l, err := s.Lesson(ctx, room, lessonID)
		must(t, err)
		if len(l.Items) == 2 && l.Items[1].Task.String() == "702-345" && l.Items[1].Stage == choose.AcrossOneZero {
			two++
		}
	}
	if len(held) < 20 || two != 2 {
		t.Errorf("%d lessons, %d with two tasks to take away", len(held), two)
	}
	list, err := s.KeptChoices(ctx, room)
	if err != nil || len(list) != 2 || list[0].Version != 1 {
		t.Errorf("%+v, %v", list, err)
	}
	before, err := s.StandOf(ctx, room, id["Ada W."])
	must(t, err)
	if n, err := s.Migrate(ctx); n != 0 || err != nil { // nothing arrives twice
		t.Errorf("%d steps, %v", n, err)
	}
	if after, err := s.StandOf(ctx, room, id["Ada W."]); err != nil || !reflect.DeepEqual(before, after) {
		t.Errorf("migrated twice: %v", err)
	}
}
