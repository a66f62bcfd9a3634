package store_test

import (
	"context"
	"errors"
	"fmt"
	"os"
	"reflect"
	"slices"
	"sync"
	"sync/atomic"
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
	"vineswap/core/snake"
	"vineswap/core/trace"
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

func newSchool(t testing.TB) school {
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

// standOf reads how a learner of a class stands.
func standOf(t *testing.T, s *store.Store, class, learner uuid.UUID) ladder.Child {
	t.Helper()
	c, err := s.Class(ctx, class)
	must(t, err)
	child, err := s.StandOf(ctx, c, learner)
	must(t, err)
	return child
}

// toWrite is what of a class is still to be written, by the rules of core alone: all
// its lessons and records are looked through.
func toWrite(t *testing.T, s *store.Store, class uuid.UUID) map[book.Spot]bool {
	t.Helper()
	ids, err := s.EndedBetween(ctx, class, time.Time{}, time.Now().AddDate(9, 0, 0))
	must(t, err)
	open, err := s.OpenLessons(ctx, class)
	must(t, err)
	ids = append(ids, open...)
	lessons, err := s.Lessons(ctx, class, ids)
	must(t, err)
	learners, err := s.Learners(ctx, class)
	must(t, err)
	here, spots := map[string]bool{}, map[book.Spot]bool{}
	for _, l := range learners {
		here[l.ID.String()] = true
	}
	for _, l := range lessons {
		seen, err := s.LessonObservations(ctx, l.ID)
		must(t, err)
		written := book.Written(store.Records(seen))
		for _, spot := range (lesson.Held{ID: l.ID.String(), Items: len(l.Items), Nth: l.Nth, Stand: l.Stand, Children: l.Children, Whole: l.Whole}).Worked() {
			if here[spot.Learner] && !written[spot] {
				spots[spot] = true
			}
		}
	}
	return spots
}

// unwritten is the same as the store finds it.
func unwritten(t *testing.T, s *store.Store, class uuid.UUID) map[book.Spot]bool {
	t.Helper()
	list, err := s.Unwritten(ctx, class, 10_000)
	must(t, err)
	spots := map[book.Spot]bool{}
	for _, w := range list {
		spots[w.Spot] = true
	}
	return spots
}

func must(t testing.TB, errs ...error) {
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
	if sum := steps[0] + steps[1] + steps[2] + steps[3]; sum != 14 {
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
	testArrival(t, old("schema-3.sql", 11))
	testSlatesStay(t, old("schema-12.sql", 2))
	testNumbersStay(t, old("schema-6.sql", 8))
	five := old("schema-5.sql", 9)
	if n, err := five.Rejudge(ctx); n != 46 || err != nil {
		t.Errorf("%d learners judged, %v", n, err)
	}
	lead, err := five.AccountByEmail(ctx, "hanne@vineswap.test")
	must(t, err)
	rooms, err := five.Memberships(ctx, lead.ID)
	must(t, err)
	children, err := five.Enrolled(ctx, rooms[0].ClassID)
	must(t, err)
	kept := 0
	for _, child := range children {
		seen, err := five.Observations(ctx, child.ID)
		must(t, err)
		if kept += len(seen); child.Told != "" {
			t.Errorf("of %s it is told %q", child.Name, child.Told)
		}
	}
	if kept == 0 {
		t.Error("nothing is left of what was recorded")
	}
	testTensArrive(t, five, rooms[0].ClassID)
	s := old("schema-2.sql", 12)
	if n, err := s.Rejudge(ctx); n != 46 || err != nil {
		t.Errorf("%d learners judged, %v", n, err)
	}
	orla, err := s.AccountByEmail(ctx, "orla@vineswap.test")
	must(t, err)
	seen := 0
	rooms, err = s.Memberships(ctx, orla.ID)
	must(t, err)
	for _, room := range rooms {
		class, err := s.Class(ctx, room.ClassID)
		must(t, err)
		children, err := s.Standings(ctx, class, 0)
		must(t, err)
		if got, want := unwritten(t, s, room.ClassID), toWrite(t, s, room.ClassID); !reflect.DeepEqual(got, want) {
			t.Errorf("%s: %d to be written, by the rules %d", room.Class, len(got), len(want))
		}
		for _, child := range children {
			if seen += len(child.Standings); len(child.Standings) > 0 && len(class.Weeks) == 0 {
				t.Errorf("%s recorded something in no week", room.Class)
			}
		}
	}
	if seen == 0 {
		t.Error("nothing is left of what was recorded")
	}
	s = old("schema-1.sql", 13)
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

// The schema before counts were timed: numbers that were asked alone are there, and a count
// can be kept with them.
func testNumbersStay(t *testing.T, s *store.Store) {
	t.Helper()
	nela, err := s.AccountByEmail(ctx, "nela@vineswap.test")
	must(t, err)
	rooms, err := s.Memberships(ctx, nela.ID)
	must(t, err)
	learners, err := s.Learners(ctx, rooms[0].ClassID)
	if err != nil || len(learners) != 2 {
		t.Fatalf("%d learners, %v", len(learners), err)
	}
	child := standOf(t, s, rooms[0].ClassID, learners[0].ID)
	seen, err := s.Observations(ctx, learners[0].ID)
	must(t, err)
	said, err := s.EstimatesOf(ctx, learners[0].ID)
	if err != nil || len(seen) < 50 || len(child.Standings) < 5 || len(said) != 1 {
		t.Fatalf("%d records, %d standings, %d estimates, %v", len(seen), len(child.Standings), len(said), err)
	}
	count := store.TimedCount{ID: uuid.New(), LessonID: said[0].LessonID, LearnerID: learners[0].ID, Seconds: 26, CountedBy: nela.ID}
	must(t, s.AddCount(ctx, count))
	must(t, s.AddCount(ctx, count)) // sent twice it is one
	other := count
	if other.Seconds = 14; !errors.Is(s.AddCount(ctx, other), store.ErrTaken) {
		t.Error("an id was used twice")
	}
	other.ID = uuid.New()
	must(t, s.AddCount(ctx, other))
	stranger := store.TimedCount{ID: uuid.New(), LessonID: count.LessonID, LearnerID: uuid.New(), Seconds: 5, CountedBy: nela.ID}
	if err := s.AddCount(ctx, stranger); !errors.Is(err, store.ErrNone) {
		t.Errorf("a child who does not sit there: %v", err)
	}
	of, err := s.CountsOf(ctx, learners[0].ID)
	if err != nil || len(of) != 2 || of[0].Seconds != 26 || of[1].Seconds != 14 || of[0].Task.Kind == "" {
		t.Errorf("%+v, %v", of, err)
	}
	must(t, s.EraseLearner(ctx, rooms[0].ClassID, learners[0].ID))
	if left, err := s.Counts(ctx, count.LessonID); err != nil || len(left) != 0 {
		t.Errorf("of an erased child %d counts are left, %v", len(left), err)
	}
}

// A class that worked with two digits before the tens were followed is not thrown back: all
// of the tens count as met, none is suggested, and what waits waits for nothing of them.
func testTensArrive(t *testing.T, s *store.Store, room uuid.UUID) {
	t.Helper()
	class, err := s.Class(ctx, room)
	must(t, err)
	children, err := s.Standings(ctx, class, 0)
	must(t, err)
	for _, child := range children {
		today, seen := child.LastSeen()
		if !seen { // of whom nothing is recorded: what was open stays open
			leaves := child.Vine(ladder.Joining, today)
			if !slices.ContainsFunc(leaves, func(l ladder.Leaf) bool { return l.Stage == choose.NoSwap && l.State == ladder.Ready }) {
				t.Errorf("a child without records: %+v", leaves)
			}
			continue
		}
		for _, leaf := range child.Vine(ladder.Tens, today) {
			if !child.TakenAsMet(leaf.Stage) || leaf.State == ladder.Ready || leaf.State == ladder.Secure {
				t.Errorf("%s is %q", leaf.Stage, leaf.State)
			}
		}
		for _, strand := range []ladder.Strand{ladder.Joining, ladder.Taking} {
			for _, leaf := range child.Vine(strand, today) {
				for _, waits := range child.Waits(leaf.Stage) {
					if ladder.StrandOf(waits) == ladder.Tens {
						t.Errorf("%s waits for %s", leaf.Stage, waits)
					}
				}
			}
		}
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
	if a, _ = s.AccountByEmail(ctx, s.hanne.Email); a.Password != "new" {
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
	if now, err := s.Class(ctx, c.ID); err != nil || !reflect.DeepEqual(now.Settings, set) || now.Revision != c.Revision+1 {
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

	// What a child can do is kept with it, and told only where it is.
	wren := list[1].ID
	must(t, s.Tell(ctx, s.orchard.ID, wren, ladder.AddsNoSwap))
	if err := s.Tell(ctx, s.bees.ID, wren, ladder.SwapsAlready); !errors.Is(err, store.ErrNone) {
		t.Errorf("told by another class: %v", err)
	}
	standing, err := s.StandOf(ctx, s.orchard, wren)
	if err != nil || standing.Told != ladder.AddsNoSwap {
		t.Errorf("told %q, %v", standing.Told, err)
	}
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
	if len(kept.Children) != 2 || kept.Children[1] != s.jory.ID.String() || kept.Seated[0].Learner != s.wren || kept.Current().Task.Key() != "sum:1458+2367" || len(kept.Items) != 2 || kept.Revision != 1 {
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
	at, err := trace.ParsePosition("work/tens/1")
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

// A session is found by its key until it expires or is ended, here, elsewhere or by a
// new password; there are never more than so many of one account.
func TestSessions(t *testing.T) {
	s := newSchool(t)
	begin := func(key string, lasts time.Duration) {
		t.Helper()
		must(t, s.BeginSession(ctx, store.Session{Key: key, AccountID: s.hanne.ID, Device: "a tablet"}, "device "+key, lasts))
	}
	in := func(key string) bool {
		t.Helper()
		a, err := s.LoggedIn(ctx, key)
		if err != nil && !errors.Is(err, store.ErrNone) {
			t.Fatal(err)
		}
		return err == nil && a.ID == s.hanne.ID
	}
	begin("a", time.Hour)
	begin("b", time.Hour)
	begin("gone", 0)
	if !in("a") || !in("b") || in("gone") || in("never") {
		t.Error("who is logged in is not who should be")
	}
	must(t, s.Touch(ctx, "a", time.Minute))
	if list, err := s.Sessions(ctx, s.hanne.ID); err != nil || len(list) != 2 || list[0].Key != "a" || list[0].Device != "a tablet" {
		t.Errorf("%+v, %v", list, err)
	}
	if n, err := s.Sweep(ctx); n != 1 || err != nil {
		t.Errorf("swept %d, %v", n, err)
	}
	if n, err := s.EndOtherSessions(ctx, s.hanne.ID, "b"); n != 1 || err != nil || in("a") || !in("b") {
		t.Errorf("ended %d, %v", n, err)
	}
	must(t, s.EndSession(ctx, "b"))
	if in("b") {
		t.Error("logged out, and still in")
	}
	for i := range 25 {
		begin(fmt.Sprint("many ", i), time.Hour)
	}
	if list, err := s.Sessions(ctx, s.hanne.ID); err != nil || len(list) != 20 || !in("many 24") || in("many 0") {
		t.Errorf("%d sessions, %v", len(list), err)
	}
	if known, err := s.KnownDevice(ctx, "device many 24", "HANNE@school.test"); !known || err != nil {
		t.Errorf("the device is not known: %v", err)
	}
	if known, _ := s.KnownDevice(ctx, "device many 24", "bo@school.test"); known {
		t.Error("one account's device is another's")
	}
	must(t, s.SetPassword(ctx, s.hanne.Email, "new"))
	if list, _ := s.Sessions(ctx, s.hanne.ID); len(list) != 0 {
		t.Errorf("with a new password %d sessions are left", len(list))
	}
}

// Tries are counted before they are made, never more than are let through, and those
// that were right are taken back; many at once do not get past the count.
func TestTries(t *testing.T) {
	s := newSchool(t)
	var wg sync.WaitGroup
	var through atomic.Int64
	for i := range 40 {
		wg.Go(func() {
			let, err := s.Try(ctx, []string{"account", fmt.Sprint("address ", i%2), "server"}, []int{10, 8, 100}, time.Hour)
			if err != nil {
				t.Error(err)
			}
			if let {
				through.Add(1)
			}
		})
	}
	wg.Wait()
	if through.Load() != 10 {
		t.Errorf("%d of 40 were let through", through.Load())
	}
	if n := len(rows(t, s.url, `select key from login_try`)); n != 4 {
		t.Errorf("%d rows", n)
	}
	must(t, s.Forgive(ctx, []string{"account"}))
	pgtest.Exec(t, s.url, `update login_try set tries = least(tries, 9)`)
	if let, err := s.Try(ctx, []string{"account", "server"}, []int{10, 100}, time.Hour); !let || err != nil {
		t.Errorf("after one was right: %v", err)
	}
	pgtest.Exec(t, s.url, `update login_try set until = now() - interval '1 second'`)
	if let, err := s.Try(ctx, []string{"account"}, []int{1}, time.Hour); !let || err != nil {
		t.Errorf("after a while: %v", err)
	}
	if let, _ := s.Try(ctx, []string{"account"}, []int{1}, time.Hour); let {
		t.Error("one was allowed, and two came through")
	}
}

// Whoever leads a class alone can neither go nor be made less; of a closed account the
// name stays beside what it recorded, and nothing else.
func TestMembersGo(t *testing.T) {
	s := newSchool(t)
	o := s.seen(47, 25, today)
	must(t, s.Record(ctx, o, false))
	for name, err := range map[string]error{
		"close": s.CloseAccount(ctx, s.hanne.ID), "remove": s.RemoveMember(ctx, s.orchard.ID, s.hanne.ID), "less": s.SetRole(ctx, s.orchard.ID, s.hanne.ID, store.Viewer),
	} {
		if !errors.Is(err, store.ErrLastLead) {
			t.Errorf("%s the only lead: %v", name, err)
		}
	}
	must(t, s.Join(ctx, s.bo.ID, s.orchard.ID, store.Viewer))
	must(t, s.SetRole(ctx, s.orchard.ID, s.bo.ID, store.Lead))
	// Two leads who go at once: one of them stays.
	errs := make([]error, 2)
	var wg sync.WaitGroup
	for i, id := range []uuid.UUID{s.hanne.ID, s.bo.ID} {
		wg.Go(func() { errs[i] = s.RemoveMember(ctx, s.orchard.ID, id) })
	}
	wg.Wait()
	if (errs[0] == nil) == (errs[1] == nil) {
		t.Errorf("both or none went: %v", errs)
	}
	must(t, s.Join(ctx, s.hanne.ID, s.orchard.ID, store.Lead), s.Join(ctx, s.bo.ID, s.orchard.ID, store.Lead))
	must(t, s.BeginSession(ctx, store.Session{Key: "k", AccountID: s.hanne.ID}, "", time.Hour))
	must(t, s.CloseAccount(ctx, s.hanne.ID))
	if _, err := s.LoggedIn(ctx, "k"); !errors.Is(err, store.ErrNone) {
		t.Errorf("closed, and logged in: %v", err)
	}
	if _, err := s.AccountByEmail(ctx, s.hanne.Email); !errors.Is(err, store.ErrNone) {
		t.Errorf("closed, and found by its email: %v", err)
	}
	if list, err := s.Observations(ctx, s.wren.ID); err != nil || len(list) != 1 || list[0].By != "Hanne" {
		t.Errorf("%+v, %v", list, err)
	}
	must(t, s.AddAccount(ctx, store.Account{ID: uuid.New(), Email: s.hanne.Email, Name: "Hanne", Password: "z"})) // the email is free again
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
		return standOf(t, s, room, id[name]).Standings[ladder.Key{Stage: stage, Manner: book.Pieces}].State
	}
	for _, name := range []string{"Ada W.", "Bram D."} {
		if got := state(name, snake.First); got != ladder.UnderWay {
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
	child := standOf(t, s, room, id["Ada W."])
	for _, stage := range []choose.StageID{choose.WithinTen, choose.OverTen, choose.TakeWithinTen, choose.BackOverTen} {
		if !child.Met[stage] {
			t.Errorf("%s is not met for a child who worked with two digits", stage)
		}
	}
	if nobody := standOf(t, s, room, id["Wren A."]); len(nobody.Met) > 0 || len(nobody.Standings) > 0 {
		t.Errorf("of whom nothing is recorded: %+v", nobody)
	}
	held, err := s.EndedBetween(ctx, room, time.Time{}, time.Now().AddDate(9, 0, 0))
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
	before := standOf(t, s, room, id["Ada W."])
	if n, err := s.Migrate(ctx); n != 0 || err != nil { // nothing arrives twice
		t.Errorf("%d steps, %v", n, err)
	}
	if after := standOf(t, s, room, id["Ada W."]); !reflect.DeepEqual(before, after) {
		t.Error("migrated twice it is another")
	}
}
