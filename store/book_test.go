package store_test

import (
	"database/sql"
	"errors"
	"fmt"
	"math/rand/v2"
	"reflect"
	"slices"
	"strings"
	"sync"
	"testing"
	"time"

	"github.com/google/uuid"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/lesson"
	"vineswap/core/material"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/setting"
	"vineswap/pgtest"
	"vineswap/store"
)

const today = book.Day(20_600)

// seen is an observation of Wren at a sum, right and alone.
func (s school) seen(a, b place.Number, day book.Day) store.Observation {
	p := problem.SumOf(a, b)
	return store.Observation{
		Observation: book.Observation{Task: p.Task(), Manner: book.Pieces, Material: material.Beads, Help: book.Alone, Answer: p.Answer().String(), Came: book.Marked, Runs: 1, Day: day},
		ID:          uuid.New(), ClassID: s.orchard.ID, LearnerID: s.wren.ID, RecordedBy: s.hanne.ID, RecordedAt: time.Now(),
	}
}

// correcting is a new record that replaces an older one.
func correcting(o store.Observation, answer string) store.Observation {
	o.Replaces, o.ID = uuid.NullUUID{UUID: o.ID, Valid: true}, uuid.New()
	o.Answer, o.Came = answer, book.Typed
	return o
}

func (s school) state(t *testing.T, learner uuid.UUID, stage choose.StageID) ladder.State {
	t.Helper()
	return standOf(t, s.Store, s.orchard.ID, learner).Standings[ladder.Key{Stage: stage, Manner: book.Pieces}].State
}

// The standing follows in the same transaction, and a correction folds again.
func TestRecordsAreFolded(t *testing.T) {
	s := newSchool(t)
	var list []store.Observation
	for i, n := range []place.Number{15, 26, 37, 48, 59, 17, 28} {
		list = append(list, s.seen(n, 25, today-5+book.Day(i/4)))
	}
	last := len(list) - 1
	for i, o := range list {
		must(t, s.Record(ctx, o, false))
		want := ladder.UnderWay
		if i == last {
			want = ladder.Secure
		}
		if got := s.state(t, s.wren.ID, choose.OneSwapOnes); got != want {
			t.Errorf("after %d: %q, wanted %q", i+1, got, want)
		}
	}
	must(t, s.Record(ctx, list[last], false)) // a repeated save
	wrong := correcting(list[last], "43")
	must(t, s.Record(ctx, wrong, false))
	if got := s.state(t, s.wren.ID, choose.OneSwapOnes); got != ladder.UnderWay {
		t.Errorf("corrected and still %q", got)
	}
	back := correcting(wrong, "53")
	must(t, s.Record(ctx, back, false))
	if got := s.state(t, s.wren.ID, choose.OneSwapOnes); got != ladder.Secure {
		t.Errorf("corrected back and %q", got)
	}
	gone := correcting(back, "53")
	gone.Withdrawn = true
	must(t, s.Record(ctx, gone, false))
	if got := s.state(t, s.wren.ID, choose.OneSwapOnes); got != ladder.UnderWay {
		t.Errorf("withdrawn and still %q", got)
	}
	kept, err := s.Observations(ctx, s.wren.ID)
	must(t, err)
	current := 0
	for _, o := range kept {
		if o.Current {
			current++
		}
	}
	if len(kept) != 10 || current != 7 || kept[0].ID != gone.ID || kept[0].By != "Hanne" || kept[0].Answer != "53" || kept[0].Task.Key() != "sum:28+25" {
		t.Errorf("kept %d, %d of them current, the newest %+v", len(kept), current, kept[0])
	}
}

func TestRecordsAreRefused(t *testing.T) {
	s := newSchool(t)
	l := s.lesson(t, s.wren.ID.String())
	must(t, s.AddLesson(ctx, l))
	first := s.seen(1458, 2367, today)
	first.LessonID = uuid.NullUUID{UUID: l.ID, Valid: true}
	must(t, s.Record(ctx, first, false))
	second := first
	second.ID = uuid.New()
	other := first
	other.LearnerID = s.jory.ID
	fixed := correcting(first, "3815")
	late := correcting(first, "3725")
	foreign := correcting(first, "1")
	foreign.LearnerID = s.jory.ID
	nobody := s.seen(1, 2, today)
	nobody.LearnerID = uuid.New()
	must(t, s.Record(ctx, fixed, false))
	for name, c := range map[string]struct {
		o    store.Observation
		want error
	}{
		"the child twice at one problem":    {second, store.ErrTwice},
		"an id of another child":            {other, store.ErrTaken},
		"a correction of what was mended":   {late, store.ErrStale},
		"a correction for another child":    {foreign, store.ErrNone},
		"a child whom nobody knows, erased": {nobody, store.ErrNone},
	} {
		if err := s.Record(ctx, c.o, false); !errors.Is(err, c.want) {
			t.Errorf("%s: %v", name, err)
		}
	}
	must(t, s.Record(ctx, second, true)) // said to be another run
	kept, err := s.LessonObservations(ctx, l.ID)
	if err != nil || len(kept) != 3 {
		t.Errorf("%d kept, %v", len(kept), err)
	}
}

// Two guides record the same child at once: one is kept, the others are told.
func TestTwoGuidesAtOnce(t *testing.T) {
	s := newSchool(t)
	l := s.lesson(t, s.wren.ID.String())
	must(t, s.AddLesson(ctx, l))
	errs := make([]error, 8)
	var wg sync.WaitGroup
	for i := range errs {
		o := s.seen(1458, 2367, today)
		o.LessonID = uuid.NullUUID{UUID: l.ID, Valid: true}
		wg.Go(func() { errs[i] = s.Record(ctx, o, false) })
	}
	wg.Wait()
	kept := 0
	for _, err := range errs {
		if err == nil {
			kept++
		} else if !errors.Is(err, store.ErrTwice) {
			t.Error(err)
		}
	}
	list, err := s.LessonObservations(ctx, l.ID)
	if err != nil || kept != 1 || len(list) != 1 {
		t.Errorf("%d said to be kept, %d are, %v", kept, len(list), err)
	}
}

// Many guides write different records of one child at once: none is lost, and
// the standing is that of all of them.
func TestManyRecordsOfOneChild(t *testing.T) {
	s := newSchool(t)
	var wg sync.WaitGroup
	for i := range 12 {
		o := s.seen(place.Number(17+i), 25, today-book.Day(i%3))
		wg.Go(func() { must(t, s.Record(ctx, o, false)) })
	}
	wg.Wait()
	child := standOf(t, s.Store, s.orchard.ID, s.wren.ID)
	tried := 0
	for _, standing := range child.Standings {
		tried += standing.Tried
	}
	if tried != 12 {
		t.Errorf("%d of 12 are judged", tried)
	}
}

// rows reads a table as text.
func rows(t *testing.T, url, query string) []string {
	t.Helper()
	db, err := sql.Open("pgx", url)
	must(t, err)
	defer db.Close()
	found, err := db.Query(query)
	must(t, err)
	defer found.Close()
	out := []string{}
	for found.Next() {
		var text string
		must(t, found.Scan(&text))
		out = append(out, text)
	}
	must(t, found.Err())
	return out
}

const allStandings = `select learner_id || fold::text from standing order by 1`

// Judging everything anew gives exactly what was folded one by one.
func TestRejudgeRebuildsTheSame(t *testing.T) {
	s := newSchool(t)
	rng := rand.New(rand.NewPCG(1, 2))
	var kept []store.Observation
	for i := range 120 {
		o := s.seen(place.Number(100+rng.IntN(800)), place.Number(100+rng.IntN(800)), today-book.Day(rng.IntN(60)))
		o.LearnerID = []uuid.UUID{s.wren.ID, s.jory.ID}[rng.IntN(2)]
		o.Help = book.Helps()[rng.IntN(5)]
		if rng.IntN(3) == 0 {
			o.Answer, o.Came = fmt.Sprint(rng.IntN(900)), book.Typed
		}
		if i%7 == 6 {
			o = correcting(kept[i-3], fmt.Sprint(rng.IntN(900)))
		}
		kept = append(kept, o)
		must(t, s.Record(ctx, o, false))
		if i%20 == 0 {
			must(t, s.Overrule(ctx, store.Overrule{Overrule: ladder.Overrule{State: ladder.Secure, Reason: "seen at the honey stall", Day: today - 10}, ID: uuid.New(), ClassID: s.orchard.ID, LearnerID: o.LearnerID, Stage: ladder.Credit(o.Task, o.Stage), Manner: book.Pieces, JudgedBy: s.hanne.ID}))
		}
	}
	before := rows(t, s.url, allStandings)
	pgtest.Exec(t, s.url, `update standing set fold = ''`)
	if n, err := s.Rejudge(ctx); n != 3 || err != nil {
		t.Fatalf("%d judged, %v", n, err)
	}
	if after := rows(t, s.url, allStandings); len(before) != 2 || !slices.Equal(before, after) {
		t.Errorf("before\n%s\nafter\n%s", strings.Join(before, "\n"), strings.Join(after, "\n"))
	}
}

// Records kept all at once stand as if they had come one by one.
func TestRecordAll(t *testing.T) {
	s := newSchool(t)
	var list []store.Observation
	for i := range 2_100 {
		list = append(list, s.seen(place.Number(11+i%80), 25, today-book.Day(60-i/40)))
	}
	must(t, s.RecordAll(ctx, list))
	before := rows(t, s.url, allStandings)
	_, err := s.Rejudge(ctx)
	must(t, err)
	kept, err := s.Observations(ctx, s.wren.ID)
	if err != nil || len(kept) != len(list) || kept[0].ID != list[len(list)-1].ID || !slices.Equal(before, rows(t, s.url, allStandings)) {
		t.Errorf("%d kept, %v", len(kept), err)
	}
}

func TestOverrules(t *testing.T) {
	s := newSchool(t)
	o := store.Overrule{Overrule: ladder.Overrule{State: ladder.Secure, Reason: "right at home time", Day: today}, ID: uuid.New(), ClassID: s.orchard.ID, LearnerID: s.wren.ID, Stage: choose.OneSwapOnes, Manner: book.Pieces, JudgedBy: s.hanne.ID}
	must(t, s.Overrule(ctx, o), s.Overrule(ctx, o))
	if got := s.state(t, s.wren.ID, choose.OneSwapOnes); got != ladder.Secure {
		t.Errorf("judged secure and %q", got)
	}
	list, err := s.Overrules(ctx, s.wren.ID)
	if err != nil || len(list) != 1 || list[0].Reason != o.Reason || list[0].By != "Hanne" || list[0].Day != today {
		t.Errorf("%+v, %v", list, err)
	}
	o.ID, o.Reason = uuid.New(), "  "
	if err := s.Overrule(ctx, o); err == nil {
		t.Error("a judgement without a reason was kept")
	}
}

func TestEstimatesAreLocked(t *testing.T) {
	s := newSchool(t)
	l := s.lesson(t, s.wren.ID.String())
	must(t, s.AddLesson(ctx, l))
	e := store.Estimate{LessonID: l.ID, LearnerID: s.wren.ID, Value: 3800, SaidTo: s.hanne.ID}
	must(t, s.Estimate(ctx, e), s.Estimate(ctx, e))
	other := e
	other.Value = 3825
	if err := s.Estimate(ctx, other); !errors.Is(err, store.ErrTaken) {
		t.Errorf("said again: %v", err)
	}
	absent := e
	absent.LearnerID = s.jory.ID
	if err := s.Estimate(ctx, absent); !errors.Is(err, store.ErrNone) {
		t.Errorf("a child who is not there: %v", err)
	}
	list, err := s.Estimates(ctx, l.ID)
	if err != nil || !reflect.DeepEqual(list, []store.Estimate{e}) {
		t.Errorf("%+v, %v", list, err)
	}
}

// What was worked and not recorded waits, until it is recorded or let go.
func TestUnwritten(t *testing.T) {
	s := newSchool(t)
	l := s.lesson(t, s.wren.ID.String(), s.jory.ID.String())
	must(t, s.AddLesson(ctx, l))
	count := func(want int, when string) {
		t.Helper()
		list := unwritten(t, s.Store, s.orchard.ID)
		if byRule := toWrite(t, s.Store, s.orchard.ID); len(list) != want || !reflect.DeepEqual(list, byRule) {
			t.Errorf("%s: %+v, by the rules %+v, wanted %d", when, list, byRule, want)
		}
	}
	change := func(c lesson.Change) {
		t.Helper()
		kept, err := s.Lesson(ctx, s.orchard.ID, l.ID)
		must(t, err)
		kept.Lesson, err = kept.With(c)
		must(t, err)
		must(t, s.SaveLesson(ctx, s.hanne.ID, kept))
	}
	count(0, "while it is gathered")
	second, ended := 1, lesson.Ended
	change(lesson.Change{Nth: &second})
	count(2, "gone on to the second problem")
	change(lesson.Change{Stand: &ended})
	count(4, "ended")
	one := s.seen(1458, 2367, today)
	one.LessonID = uuid.NullUUID{UUID: l.ID, Valid: true}
	must(t, s.Record(ctx, one, false))
	count(3, "one recorded")
	undone := correcting(one, "")
	undone.Withdrawn = true
	must(t, s.Record(ctx, undone, false))
	count(4, "and undone")
	letGo := s.seen(25, 47, today)
	letGo.LessonID, letGo.Nth, letGo.Withdrawn, letGo.LearnerID = one.LessonID, 1, true, s.jory.ID
	must(t, s.Record(ctx, letGo, false))
	count(3, "one let go")
	must(t, s.RetireLearner(ctx, s.orchard.ID, s.jory.ID, time.Now()))
	count(2, "and who has left is not waited for")
}

func TestPeople(t *testing.T) {
	s := newSchool(t)
	day := today.Time()
	ada := store.Learner{ID: uuid.New(), Name: "Ada W."}
	must(t, s.AddLearners(ctx, s.orchard.ID, []store.Learner{ada}, day), s.AddLearners(ctx, s.orchard.ID, []store.Learner{ada}, day))
	var named *store.NameError
	twice := []store.Learner{{ID: uuid.New(), Name: "Bo L."}, {ID: uuid.New(), Name: "wren a."}}
	if err := s.AddLearners(ctx, s.orchard.ID, twice, day); !errors.As(err, &named) || named.Name != "wren a." || !errors.Is(err, store.ErrTaken) {
		t.Errorf("a name twice: %v", err)
	}
	if err := s.RenameLearner(ctx, s.orchard.ID, ada.ID, "Jory P."); !errors.As(err, &named) {
		t.Errorf("another's name: %v", err)
	}
	must(t, s.RenameLearner(ctx, s.orchard.ID, ada.ID, "Ada V."))
	list, err := s.Learners(ctx, s.orchard.ID)
	if err != nil || len(list) != 3 || list[0].Name != "Ada V." {
		t.Fatalf("%+v, %v", list, err)
	}
	must(t, s.Record(ctx, s.seen(47, 25, today), false))

	// Wren moves, with the history; the old class has nothing of her left.
	must(t, s.MoveLearner(ctx, s.orchard.ID, s.bees.ID, s.wren.ID, day))
	if _, err := s.LatestEnrolment(ctx, s.orchard.ID, s.wren.ID); !errors.Is(err, store.ErrNone) {
		t.Errorf("moved, and still here: %v", err)
	}
	if e, err := s.LatestEnrolment(ctx, s.bees.ID, s.wren.ID); err != nil || e.Name != "Wren A." || e.Until.Valid {
		t.Errorf("%+v, %v", e, err)
	}
	if child := standOf(t, s.Store, s.bees.ID, s.wren.ID); len(child.Standings) != 1 {
		t.Errorf("the history stayed behind: %v", child)
	}
	must(t, s.MoveLearner(ctx, s.bees.ID, s.orchard.ID, s.wren.ID, day)) // and back on the same day
	must(t, s.RenameLearner(ctx, s.bees.ID, s.mina.ID, "Jory P."))
	if err := s.MoveLearner(ctx, s.bees.ID, s.orchard.ID, s.mina.ID, day); !errors.As(err, &named) {
		t.Errorf("moved onto a name that is used: %v", err)
	}
	if list, _ := s.Learners(ctx, s.bees.ID); len(list) != 1 {
		t.Errorf("half moved: %+v", list)
	}

	// Retired is not erased, and can come back unless the name is used now.
	must(t, s.RetireLearner(ctx, s.orchard.ID, s.wren.ID, day))
	if err := s.RetireLearner(ctx, s.orchard.ID, s.wren.ID, day); !errors.Is(err, store.ErrNone) {
		t.Errorf("retired twice: %v", err)
	}
	if gone, err := s.Retired(ctx, s.orchard.ID); err != nil || len(gone) != 1 || gone[0].ID != s.wren.ID || !gone[0].Until.Valid {
		t.Errorf("%+v, %v", gone, err)
	}
	must(t, s.ReturnLearner(ctx, s.orchard.ID, s.wren.ID))
	must(t, s.RetireLearner(ctx, s.orchard.ID, s.wren.ID, day), s.RenameLearner(ctx, s.orchard.ID, ada.ID, "Wren A."))
	if err := s.ReturnLearner(ctx, s.orchard.ID, s.wren.ID); !errors.As(err, &named) {
		t.Errorf("back under a name that is used: %v", err)
	}
}

// Erased is gone from every table that could hold the learner.
func TestErase(t *testing.T) {
	s := newSchool(t)
	l := s.lesson(t, s.wren.ID.String(), s.jory.ID.String())
	must(t, s.AddLesson(ctx, l))
	o := s.seen(1458, 2367, today)
	o.LessonID, o.Note = uuid.NullUUID{UUID: l.ID, Valid: true}, "hums while counting"
	must(t, s.Record(ctx, o, false), s.Record(ctx, correcting(o, "3815"), false))
	must(t, s.Overrule(ctx, store.Overrule{Overrule: ladder.Overrule{State: ladder.Secure, Reason: "x", Day: today}, ID: uuid.New(), ClassID: s.orchard.ID, LearnerID: s.wren.ID, Stage: choose.NoSwap, Manner: book.Pieces, JudgedBy: s.hanne.ID}))
	must(t, s.Estimate(ctx, store.Estimate{LessonID: l.ID, LearnerID: s.wren.ID, Value: 3800, SaidTo: s.hanne.ID}), s.KeepApart(ctx, s.orchard.ID, store.Pair{One: s.wren.ID, Other: s.jory.ID}, true), s.SetAway(ctx, s.orchard.ID, s.wren.ID, today, true))
	if err := s.EraseLearner(ctx, s.bees.ID, s.wren.ID); !errors.Is(err, store.ErrNone) {
		t.Errorf("erased from another class: %v", err)
	}
	must(t, s.EraseLearner(ctx, s.orchard.ID, s.wren.ID))
	if n, err := s.Erased(ctx, s.orchard.ID); n != 1 || err != nil {
		t.Errorf("%d erased, %v", n, err)
	}
	tables := rows(t, s.url, `select table_name from information_schema.tables where table_schema = 'public' order by 1`)
	if len(tables) < 13 {
		t.Errorf("only %v were looked into", tables)
	}
	for _, table := range tables {
		for _, row := range rows(t, s.url, fmt.Sprintf(`select to_jsonb(r)::text from %q r`, table)) {
			if strings.Contains(row, s.wren.ID.String()) || strings.Contains(row, "Wren") || strings.Contains(row, "hums") {
				t.Errorf("%s still has %s", table, row)
			}
		}
	}
	if err := s.Record(ctx, s.seen(1, 2, today), false); !errors.Is(err, store.ErrNone) {
		t.Errorf("recorded after the erasure: %v", err)
	}
	if kept, err := s.Lesson(ctx, s.orchard.ID, l.ID); err != nil || len(kept.Children) != 1 {
		t.Errorf("%+v, %v", kept, err)
	}
}

// A step of a lesson is kept also after a child at the mat has left the class.
func TestAChildWhoLeavesMidway(t *testing.T) {
	s := newSchool(t)
	l := s.lesson(t, s.wren.ID.String(), s.jory.ID.String())
	must(t, s.AddLesson(ctx, l), s.RetireLearner(ctx, s.orchard.ID, s.wren.ID, today.Time()))
	kept, err := s.Lesson(ctx, s.orchard.ID, l.ID)
	must(t, err)
	must(t, s.SaveLesson(ctx, s.hanne.ID, kept))
	if again := s.lesson(t, s.wren.ID.String()); !errors.Is(s.AddLesson(ctx, again), store.ErrNone) {
		t.Error("a child who has left sits at a new lesson")
	}
}

func TestInvitations(t *testing.T) {
	s := newSchool(t)
	now := time.Date(2026, 11, 25, 9, 0, 0, 0, time.UTC)
	invite := func(key string, role store.Role) {
		t.Helper()
		must(t, s.Invite(ctx, store.Invitation{Key: key, ClassID: s.orchard.ID, Role: role, MadeBy: s.hanne.ID, ExpiresAt: now.Add(time.Hour)}))
	}
	invite("a", store.Assistant)
	if i, err := s.Invitation(ctx, "a", now); err != nil || i.Class != "Orchard room" || i.Role != store.Assistant {
		t.Errorf("%+v, %v", i, err)
	}
	if _, err := s.Invitation(ctx, "a", now.Add(2*time.Hour)); !errors.Is(err, store.ErrNone) {
		t.Errorf("long after: %v", err)
	}
	tilo := store.Account{ID: uuid.New(), Email: "tilo@school.test", Name: "Tilo", Password: "x"}
	errs := make([]error, 4)
	var wg sync.WaitGroup
	for i := range errs {
		a := tilo
		a.ID, a.Email = uuid.New(), fmt.Sprintf("tilo%d@school.test", i)
		wg.Go(func() { errs[i] = s.Accept(ctx, "a", a, true, now) })
	}
	wg.Wait()
	used := 0
	for _, err := range errs {
		if err == nil {
			used++
		} else if !errors.Is(err, store.ErrNone) {
			t.Error(err)
		}
	}
	if members, err := s.Members(ctx, s.orchard.ID); used != 1 || err != nil || len(members) != 2 || members[0].Role != store.Lead {
		t.Errorf("used %d times, members %+v, %v", used, members, err)
	}
	invite("b", store.Viewer)
	must(t, s.Accept(ctx, "b", s.hanne, false, now)) // a lead who is invited to look on still leads
	if role, _ := s.RoleIn(ctx, s.hanne.ID, s.orchard.ID); role != store.Lead {
		t.Errorf("now %s", role)
	}
	invite("c", store.Viewer)
	if err := s.Accept(ctx, "c", store.Account{ID: uuid.New(), Email: s.hanne.Email, Name: "x", Password: "y"}, true, now); !errors.Is(err, store.ErrTaken) {
		t.Errorf("an email that is used: %v", err)
	}
	if open, err := s.OpenInvitations(ctx, s.orchard.ID, now); len(open) != 1 || err != nil || open[0].By != "Hanne" {
		t.Errorf("%+v, %v: the one that failed can be used again", open, err)
	}
}

// Another range asks for other swaps: all children are judged anew.
func TestTheRangeOfTheClass(t *testing.T) {
	s := newSchool(t)
	sums := [][2]place.Number{{283, 154}, {362, 275}, {191, 254}, {473, 264}, {582, 153}, {293, 342}, {391, 445}}
	for i, n := range sums {
		must(t, s.Record(ctx, s.seen(n[0], n[1], today-9+book.Day(i/4)), false))
	}
	if got := s.state(t, s.wren.ID, choose.OneSwapHigher); got != ladder.UnderWay {
		t.Errorf("without a swap in the hundreds it is %q", got)
	}
	class, err := s.Class(ctx, s.orchard.ID)
	must(t, err)
	class.Settings.Range = "1000"
	must(t, s.SetSettings(ctx, s.orchard.ID, class.Revision, class.Settings))
	if got := s.state(t, s.wren.ID, choose.OneSwapHigher); got != ladder.Secure {
		t.Errorf("to 1,000 it is %q", got)
	}
	if err := s.SetSettings(ctx, s.orchard.ID, class.Revision, class.Settings); !errors.Is(err, store.ErrStale) {
		t.Errorf("settings from an old revision: %v", err)
	}
}

// A record of a week that lies behind bears on the checks of the whole class.
func TestASchoolWeekThatComesLate(t *testing.T) {
	s := newSchool(t)
	jory := func(ago book.Day) store.Observation {
		o := s.seen(42, 25, today-ago)
		o.LearnerID = s.jory.ID
		return o
	}
	for i := range 7 {
		must(t, s.Record(ctx, s.seen(place.Number(21+10*i), 12, today-70+book.Day(i/4)), false))
	}
	for _, ago := range []book.Day{49, 42, 35, 0} {
		must(t, s.Record(ctx, jory(ago), false))
	}
	look := func() ladder.State {
		return standOf(t, s.Store, s.orchard.ID, s.wren.ID).Lobe(ladder.Key{Stage: choose.NoSwap, Manner: book.Pieces}, today).State
	}
	nudged := s.seen(65, 12, today-1)
	nudged.Help = book.Nudged
	must(t, s.Record(ctx, nudged, false)) // three school weeks lie between: it is seen again
	if got := look(); got != ladder.Secure {
		t.Errorf("after three school weeks it is %q", got)
	}
	must(t, s.Record(ctx, jory(28), false)) // there were four
	if got := look(); got != ladder.CheckAgain {
		t.Errorf("after the fourth was written up it is %q", got)
	}
	before := rows(t, s.url, allStandings)
	_, err := s.Rejudge(ctx)
	must(t, err)
	if !slices.Equal(before, rows(t, s.url, allStandings)) {
		t.Error("judged anew it is not the same")
	}
}

// A child is erased while a lesson that it sits at is moved on, again and again: both
// go on, nobody waits for the other for ever, and no lesson is left half.
func TestErasingWhileALessonChanges(t *testing.T) {
	s := newSchool(t)
	for round := range 12 {
		child := store.Learner{ID: uuid.New(), Name: fmt.Sprint("Ada ", round)}
		must(t, s.AddLearner(ctx, s.orchard.ID, child, time.Now()))
		l := s.lesson(t, s.wren.ID.String(), child.ID.String())
		must(t, s.AddLesson(ctx, l))
		var wg sync.WaitGroup
		wg.Go(func() {
			for n := range 8 {
				kept, err := s.Lesson(ctx, s.orchard.ID, l.ID)
				if err != nil {
					t.Error(err)
					return
				}
				nth, turned := n%2, slices.Clone(kept.Children)
				slices.Reverse(turned)
				if kept.Lesson, err = kept.With(lesson.Change{Nth: &nth, Children: turned}); err != nil {
					t.Error(err)
					return
				}
				if err := s.SaveLesson(ctx, s.hanne.ID, kept); err != nil && !errors.Is(err, store.ErrNone) {
					t.Error(err)
				}
			}
		})
		wg.Go(func() {
			o := s.seen(47, 25, today)
			o.LearnerID, o.LessonID = child.ID, uuid.NullUUID{UUID: l.ID, Valid: true}
			if err := s.Record(ctx, o, true); err != nil && !errors.Is(err, store.ErrErased) {
				t.Error(err)
			}
		})
		wg.Go(func() {
			time.Sleep(time.Duration(round) * time.Millisecond)
			must(t, s.EraseLearner(ctx, s.orchard.ID, child.ID))
		})
		wg.Wait()
		if kept, err := s.Lesson(ctx, s.orchard.ID, l.ID); err != nil || len(kept.Children) != 1 || kept.Children[0] != s.wren.ID.String() {
			t.Fatalf("round %d: %v sit there, %v", round, kept.Children, err)
		}
	}
}

// A record is of a child who is or was in the class, by an account that stays.
func TestWhoseRecord(t *testing.T) {
	s := newSchool(t)
	for name, wrong := range map[string]func(*store.Observation){
		"by nobody":                 func(o *store.Observation) { o.RecordedBy = uuid.New() },
		"of nobody":                 func(o *store.Observation) { o.LearnerID = uuid.New() },
		"of a class there is not":   func(o *store.Observation) { o.ClassID = uuid.New() },
		"of a child of other class": func(o *store.Observation) { o.ClassID = s.other(t) },
	} {
		list := []store.Observation{s.seen(47, 25, today), s.seen(38, 27, today)}
		wrong(&list[1])
		if err := s.RecordAll(ctx, list); err == nil {
			t.Errorf("a record %s is kept", name)
		}
	}
	must(t, s.RecordAll(ctx, []store.Observation{s.seen(47, 25, today)}))
	db, err := sql.Open("pgx", s.url)
	must(t, err)
	defer db.Close()
	if _, err := db.Exec(`delete from account where id = $1`, s.hanne.ID); err == nil || !strings.Contains(err.Error(), "stays") {
		t.Errorf("an account that has recorded something is deleted: %v", err)
	}
	if seen, err := s.Observations(ctx, s.wren.ID); err != nil || len(seen) != 1 {
		t.Errorf("%d records, %v", len(seen), err)
	}
}

// other is a class in which none of the school's children are.
func (s school) other(t *testing.T) uuid.UUID {
	t.Helper()
	c := store.Class{ID: uuid.New(), Name: "Meadow room", Zone: "UTC", Settings: setting.Default()}
	must(t, s.AddClass(ctx, c))
	return c.ID
}
