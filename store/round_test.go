package store_test

import (
	"context"
	"errors"
	"fmt"
	"reflect"
	"slices"
	"sync"
	"testing"
	"time"

	"github.com/google/uuid"

	"vineswap/core/book"
	"vineswap/core/ladder"
	"vineswap/core/lesson"
	"vineswap/core/material"
	"vineswap/core/number"
	"vineswap/core/opener"
	"vineswap/core/place"
	"vineswap/pgtest"
	"vineswap/store"
)

// warmUp is a lesson for the whole class on flashes, with its children.
func (s school) warmUp(t testing.TB, children int) (store.Lesson, []uuid.UUID) {
	t.Helper()
	ids := []uuid.UUID{s.wren.ID, s.jory.ID}
	for i := len(ids); i < children; i++ {
		l := store.Learner{ID: uuid.New(), Name: fmt.Sprintf("Child %02d", i)}
		must(t, s.AddLearner(ctx, s.orchard.ID, l, time.Date(2026, 9, 1, 0, 0, 0, 0, time.UTC)))
		ids = append(ids, l.ID)
	}
	return s.warmUpOf(t, ids), ids
}

// warmUpOf is a lesson of some children of the class.
func (s school) warmUpOf(t testing.TB, ids []uuid.UUID) store.Lesson {
	t.Helper()
	var items []lesson.Item
	for _, n := range []place.Number{24, 51, 67} {
		a := number.Asked{Number: n, Shown: number.Rack100, Answered: number.Write}
		items = append(items, lesson.Item{Task: a.Task(), Stage: number.StageOf(a), Flash: &opener.Flash{Tenths: 20, Times: 1}})
	}
	seated := make([]string, len(ids))
	for i, id := range ids {
		seated[i] = id.String()
	}
	l, err := lesson.ForAll(items, material.Beads, seated)
	must(t, err)
	kept := store.Lesson{Lesson: l, ID: uuid.New(), ClassID: s.orchard.ID, OpenedBy: s.hanne.ID, ChangedAt: time.Now()}
	must(t, s.AddLesson(ctx, kept))
	kept, err = s.Lesson(ctx, s.orchard.ID, kept.ID)
	must(t, err)
	return kept
}

// round is a round of a lesson in which all are right by default but those who are marked.
func (s school) round(l store.Lesson, nth int, day book.Day, marked ...lesson.Slate) (store.Round, []store.Observation) {
	r := store.Round{ID: uuid.New(), ClassID: s.orchard.ID, LessonID: l.ID, Nth: nth, Day: day, KeptBy: s.hanne.ID}
	var seen []store.Observation
	for _, child := range l.Children {
		slate := lesson.Slate{Child: child, Mark: lesson.ByDefault}
		for _, m := range marked {
			if m.Child == child {
				slate = m
			}
		}
		r.Slates = append(r.Slates, slate)
		if o, is := l.Evidence(nth, slate, false, "", day); is {
			seen = append(seen, store.Observation{Observation: o, ID: uuid.New(), ClassID: s.orchard.ID, LearnerID: uuid.MustParse(child), LessonID: uuid.NullUUID{UUID: l.ID, Valid: true}, Nth: nth, RecordedBy: s.hanne.ID, RecordedAt: time.Now()})
		}
	}
	return r, seen
}

// A lesson for the whole class is kept with its flashes and how far the class has come.
func TestWholeLessonIsKept(t *testing.T) {
	s := newSchool(t)
	l, ids := s.warmUp(t, 24)
	if !l.Whole || len(l.Children) != len(ids) || l.Round.Pace != lesson.LookAt || *l.Items[2].Flash != (opener.Flash{Tenths: 20, Times: 1}) || l.Stand != lesson.OnTheMat {
		t.Errorf("%+v", l.Lesson)
	}
	pace, shown := lesson.ShowUp, 2
	var err error
	l.Lesson, err = l.With(lesson.Change{Pace: &pace, Shown: &shown})
	must(t, err)
	must(t, s.SaveLesson(ctx, s.hanne.ID, l))
	read, err := s.Lesson(ctx, s.orchard.ID, l.ID)
	must(t, err)
	if read.Round != (lesson.Round{Pace: lesson.ShowUp, Shown: 2}) || read.Revision != l.Revision+1 {
		t.Errorf("%+v at %d", read.Round, read.Revision)
	}
	if list, err := s.Unwritten(ctx, s.orchard.ID, 12); err != nil || len(list) != 0 {
		t.Errorf("%d children of it wait to be written, %v", len(list), err)
	}
}

// A round is kept once: what each slate shows is recorded, a slate that nobody read is no
// evidence, and all are judged as if each had been recorded alone.
func TestKeepRound(t *testing.T) {
	s := newSchool(t)
	l, ids := s.warmUp(t, 24)
	wren, jory := ids[0].String(), ids[1].String()
	marked := []lesson.Slate{{Child: wren, Mark: lesson.Other, Answer: "42"}, {Child: jory, Mark: lesson.NotRead}, {Child: ids[2].String(), Mark: lesson.Mirrored}, {Child: ids[3].String(), Mark: lesson.Unfinished, Answer: "2"}, {Child: ids[4].String(), Mark: lesson.NotHere}}
	r, seen := s.round(l, 0, today, marked...)
	r.Turns = []store.RoundTurn{{LearnerID: ids[5], Took: false}, {LearnerID: ids[6], Took: true, Way: book.FromFifty}}
	must(t, s.KeepRound(ctx, r, seen))
	must(t, s.KeepRound(ctx, r, seen)) // sent again
	for i, want := range []int{1, 0, 1, 0, 0, 1} {
		list, err := s.Observations(ctx, ids[i])
		if err != nil || len(list) != want {
			t.Errorf("child %d has %d records, wanted %d, %v", i, len(list), want, err)
		}
		if n, err := s.CountObservations(ctx, ids[i]); err != nil || n != want {
			t.Errorf("child %d: %d are counted, %v", i, n, err)
		}
	}
	if list, _ := s.Observations(ctx, ids[0]); list[0].Answer != "42" || list[0].Came != book.Typed || list[0].Manner != book.Drawn || list[0].Stage != number.TensAndOnes {
		t.Errorf("%+v", list[0])
	}
	if list, _ := s.Observations(ctx, ids[2]); list[0].Came != book.Marked || !list[0].Right() {
		t.Errorf("a turned digit: %+v", list[0])
	}
	kept, err := s.Rounds(ctx, l.ID)
	must(t, err)
	if len(kept) != 1 || len(kept[0].Slates) != 24 || !slices.Equal(kept[0].Turns, r.Turns) || kept[0].By != "Hanne" {
		t.Fatalf("%+v", kept)
	}
	known, err := s.Turns(ctx, s.orchard.ID, today)
	must(t, err)
	if f := known.Of(ids[6].String(), today); !f.Today || f.ThisWeek != 1 {
		t.Errorf("who explained: %+v", f)
	}
	if f := known.Of(ids[5].String(), today); f.Today || !f.PassedToday {
		t.Errorf("who was passed by: %+v", f)
	}
	if f := known.Of(jory, today); f.UnreadToday != 1 {
		t.Errorf("whose slate was not read: %+v", f)
	}
	named, err := s.Named(ctx, s.orchard.ID, ids)
	if must(t, err); !reflect.DeepEqual(named, map[book.Way]int{book.FromFifty: 1}) {
		t.Errorf("named: %v", named)
	}
	if own, err := s.SlatesOf(ctx, ids[6]); err != nil || len(own) != 1 || own[0].Turn() != "explained" || own[0].Way != book.FromFifty || own[0].Mark != lesson.ByDefault || own[0].Day != today {
		t.Errorf("on its own: %+v, %v", own, err)
	}
	// The same twenty children, each recorded alone, stand as they do.
	before := standOf(t, s.Store, s.orchard.ID, ids[0])
	if n, err := s.Rejudge(ctx); err != nil || n == 0 {
		t.Fatal(err)
	}
	if after := standOf(t, s.Store, s.orchard.ID, ids[0]); !reflect.DeepEqual(before.Standings, after.Standings) {
		t.Errorf("judged anew: %+v, before %+v", after.Standings, before.Standings)
	}
}

// Rounds go on from where each child stands, round after round, as when judged anew.
func TestRoundsFold(t *testing.T) {
	s := newSchool(t)
	for day := range book.Day(4) {
		l, ids := s.warmUp(t, 2)
		for nth := range l.Items {
			r, seen := s.round(l, nth, today+day, lesson.Slate{Child: ids[0].String(), Mark: lesson.Right})
			must(t, s.KeepRound(ctx, r, seen))
		}
	}
	key := ladder.Key{Stage: number.TensAndOnes, Manner: book.Drawn}
	looked, byDefault := standOf(t, s.Store, s.orchard.ID, s.wren.ID).Standings[key], standOf(t, s.Store, s.orchard.ID, s.jory.ID).Standings[key]
	if looked.Beads <= byDefault.Beads || byDefault.Beads == 0 {
		t.Errorf("looked at %d beads, by default %d", looked.Beads, byDefault.Beads)
	}
	_, err := s.Rejudge(ctx)
	must(t, err)
	if again := standOf(t, s.Store, s.orchard.ID, s.wren.ID).Standings[key]; !reflect.DeepEqual(again, looked) {
		t.Errorf("judged anew %+v, before %+v", again, looked)
	}
}

// Two guides keep the same round: one of them does, and the other is told. A child who was
// erased meanwhile is left out, and one who is written already has no second record.
func TestTwoGuidesAtOneRound(t *testing.T) {
	s := newSchool(t)
	l, ids := s.warmUp(t, 12)
	must(t, s.EraseLearner(ctx, s.orchard.ID, ids[11]))
	written := s.seen(1, 2, today)
	written.LessonID, written.Nth, written.LearnerID = uuid.NullUUID{UUID: l.ID, Valid: true}, 0, ids[3]
	must(t, s.Record(ctx, written, false))
	var wg sync.WaitGroup
	errs := make([]error, 4)
	for i := range errs {
		wg.Go(func() {
			r, seen := s.round(l, 0, today)
			errs[i] = s.KeepRound(ctx, r, seen)
		})
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
	if kept != 1 {
		t.Errorf("%d guides have kept it", kept)
	}
	for i, id := range ids[:11] {
		if list, err := s.Observations(ctx, id); err != nil || len(list) != 1 {
			t.Errorf("child %d has %d records, %v", i, len(list), err)
		}
	}
	other, _ := s.round(l, 1, today)
	other.ID = uuid.New()
	must(t, s.KeepRound(ctx, other, nil))
	wrong := other
	wrong.Nth = 2
	if err := s.KeepRound(ctx, wrong, nil); !errors.Is(err, store.ErrTaken) {
		t.Errorf("the id of another round: %v", err)
	}
}

// One plan for each class, kept whole: seats of other children, of two on one, or from an
// older plan change nothing.
func TestSeatPlan(t *testing.T) {
	s := newSchool(t)
	plan := []store.ClassSeat{{LearnerID: s.wren.ID, X: 1, Y: 0}, {LearnerID: s.jory.ID, X: 4, Y: 2}}
	must(t, s.SetSeatPlan(ctx, s.orchard.ID, 0, plan))
	for name, c := range map[string]struct {
		revision int
		plan     []store.ClassSeat
		want     error
	}{
		"a child of another class": {1, []store.ClassSeat{{LearnerID: s.mina.ID}}, store.ErrNone},
		"two on one seat":          {1, []store.ClassSeat{{LearnerID: s.wren.ID}, {LearnerID: s.jory.ID}}, store.ErrSameSeat},
		"from an older plan":       {0, plan[:1], store.ErrStale},
	} {
		if err := s.SetSeatPlan(ctx, s.orchard.ID, c.revision, c.plan); !errors.Is(err, c.want) {
			t.Errorf("%s: %v", name, err)
		}
	}
	if got, revision, err := s.SeatPlan(ctx, s.orchard.ID); err != nil || revision != 1 || !slices.Equal(got, plan) {
		t.Errorf("%v at %d, %v", got, revision, err)
	}
	must(t, s.SetSeatPlan(ctx, s.orchard.ID, 1, []store.ClassSeat{{LearnerID: s.wren.ID, X: 4, Y: 2}, {LearnerID: s.jory.ID, X: 1}}))
	must(t, s.EraseLearner(ctx, s.orchard.ID, s.jory.ID))
	if got, _, err := s.SeatPlan(ctx, s.orchard.ID); err != nil || len(got) != 1 {
		t.Errorf("%v, %v", got, err)
	}
}

// A code opens one account's window in one class, until it is renewed or the account leaves.
func TestProjectorCode(t *testing.T) {
	s := newSchool(t)
	p := store.Projector{AccountID: s.hanne.ID, ClassID: s.orchard.ID, Code: "plumtree", Pass: "pass one"}
	must(t, s.SetProjectorCode(ctx, p))
	if got, err := s.Projector(ctx, "plumtree"); err != nil || got != p {
		t.Errorf("%+v, %v", got, err)
	}
	if err := s.SetProjectorCode(ctx, store.Projector{AccountID: s.bo.ID, ClassID: s.bees.ID, Code: "plumtree", Pass: "pass two"}); !errors.Is(err, store.ErrTaken) {
		t.Errorf("another's code: %v", err)
	}
	p.Code, p.Pass = "beehives", "pass three"
	must(t, s.SetProjectorCode(ctx, p))
	if _, err := s.Projector(ctx, "plumtree"); !errors.Is(err, store.ErrNone) {
		t.Errorf("the old code: %v", err)
	}
	if code, err := s.ProjectorCode(ctx, s.hanne.ID, s.orchard.ID); err != nil || code != "beehives" {
		t.Errorf("%q, %v", code, err)
	}
	pgtest.Exec(t, s.url, `delete from membership where account_id = '`+s.hanne.ID.String()+`'`)
	if _, err := s.Projector(ctx, "beehives"); !errors.Is(err, store.ErrNone) {
		t.Errorf("of one who has left: %v", err)
	}
}

// Rows of openers are kept, changed from the newest revision, and dropped.
func TestOpenerRows(t *testing.T) {
	s := newSchool(t)
	r := store.OpenerRow{Row: opener.Row{Name: "Monday", Openers: []opener.Opener{{Kind: opener.OwnCard, Text: "Say a number that hides its ten."}, {Kind: opener.OfFlashes, Count: 5, Shown: number.Rack100, UpTo: 100, Flash: opener.Flash{Tenths: 20, Times: 2}}}}, ID: uuid.New(), ClassID: s.orchard.ID, MadeBy: s.hanne.ID}
	must(t, s.PutOpenerRow(ctx, r))
	list, err := s.OpenerRows(ctx, s.orchard.ID)
	if must(t, err); len(list) != 1 || !reflect.DeepEqual(list[0].Row, r.Row) || list[0].Revision != 1 {
		t.Fatalf("%+v", list)
	}
	if err := s.PutOpenerRow(ctx, r); !errors.Is(err, store.ErrStale) {
		t.Errorf("an older revision: %v", err)
	}
	list[0].Name = "Tuesday"
	must(t, s.PutOpenerRow(ctx, list[0]))
	other := r
	other.ClassID = s.bees.ID
	if err := s.PutOpenerRow(ctx, other); !errors.Is(err, store.ErrTaken) {
		t.Errorf("another class's: %v", err)
	}
	if err := s.DropOpenerRow(ctx, s.bees.ID, r.ID); !errors.Is(err, store.ErrNone) {
		t.Errorf("dropped by another class: %v", err)
	}
	must(t, s.DropOpenerRow(ctx, s.orchard.ID, r.ID))
	for range store.MostRows {
		r.ID = uuid.New()
		must(t, s.PutOpenerRow(ctx, r))
	}
	r.ID = uuid.New()
	if err := s.PutOpenerRow(ctx, r); !errors.Is(err, store.ErrFull) {
		t.Errorf("one too many: %v", err)
	}
}

// Who listens hears what changes, by ids alone, on any server of the database, and everything
// again after the link was cut.
func TestListen(t *testing.T) {
	s := newSchool(t)
	via := pgtest.Between(t, s.url)
	far := pgtest.Open(t, via.URL)
	heard := make(chan store.Heard, 64)
	listening, stop := context.WithCancel(ctx)
	defer stop()
	go far.Listen(listening, func(h store.Heard) { heard <- h })
	await(t, heard, store.Heard{})
	l, _ := s.warmUp(t, 2)
	await(t, heard, store.Heard{Class: s.orchard.ID, Lesson: l.ID})
	l.ChangedAt = time.Now()
	must(t, s.SaveLesson(ctx, s.hanne.ID, l))
	await(t, heard, store.Heard{Class: s.orchard.ID, Lesson: l.ID})
	via.Cut()
	via.Mend()
	await(t, heard, store.Heard{})
	r, seen := s.round(l, 0, today)
	must(t, s.KeepRound(ctx, r, seen))
	await(t, heard, store.Heard{Class: s.orchard.ID, Lesson: l.ID})
}

func await(t *testing.T, heard <-chan store.Heard, want store.Heard) {
	t.Helper()
	select {
	case got := <-heard:
		if got != want {
			t.Errorf("heard %+v, wanted %+v", got, want)
		}
	case <-time.After(20 * time.Second):
		t.Fatalf("nothing is heard of %+v", want)
	}
}

// A round of 24 slates, saved in one go, by children who have some records.
func BenchmarkRoundOf24(b *testing.B) {
	s := newSchool(b)
	_, ids := s.warmUp(b, 24)
	for day := range book.Day(5) {
		s.keepAll(b, ids, today-10+day)
	}
	for b.Loop() {
		b.StopTimer()
		l := s.warmUpOf(b, ids)
		r, seen := s.round(l, 0, today)
		b.StartTimer()
		if err := s.KeepRound(ctx, r, seen); err != nil {
			b.Fatal(err)
		}
	}
}

// keepAll keeps a whole lesson on a day.
func (s school) keepAll(t testing.TB, ids []uuid.UUID, day book.Day) {
	t.Helper()
	l := s.warmUpOf(t, ids)
	for nth := range l.Items {
		r, seen := s.round(l, nth, day)
		must(t, s.KeepRound(ctx, r, seen))
	}
}
