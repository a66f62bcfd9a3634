package store_test

import (
	"errors"
	"fmt"
	"testing"
	"time"

	"github.com/google/uuid"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/group"
	"vineswap/core/ladder"
	"vineswap/core/lesson"
	"vineswap/core/material"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/store"
)

// How many minutes and helpers a day has is a part of its class; what it cannot be is refused.
func TestSetDay(t *testing.T) {
	s := newSchool(t)
	must(t, s.SetDay(ctx, s.orchard.ID, 40, 2))
	class, err := s.Class(ctx, s.orchard.ID)
	if err != nil || class.Minutes != 40 || class.Helpers != 2 {
		t.Errorf("%+v, %v", class, err)
	}
	if other, _ := s.Class(ctx, s.bees.ID); other.Minutes != 0 || other.Helpers != 0 {
		t.Errorf("another class has %d minutes", other.Minutes)
	}
	if err := s.SetDay(ctx, s.orchard.ID, -1, 0); err == nil {
		t.Error("less than no minutes")
	}
}

// A lesson that is put off stays until it is taken back, put off anew or opened; a child that
// leaves or is erased leaves it too.
func TestPutOffs(t *testing.T) {
	s := newSchool(t)
	kind := group.Kind{Key: ladder.Key{Stage: choose.OneSwapOnes, Manner: book.Drawn}, Leaving: true}
	both := group.PutOff{Kind: kind, Children: []string{s.wren.ID.String(), s.jory.ID.String()}, On: today, Why: group.NoPieces}
	says := func(want string) {
		t.Helper()
		list, err := s.PutOffs(ctx, s.orchard.ID)
		must(t, err)
		got := ""
		for _, p := range list {
			got += fmt.Sprintf("%s %s %t %d %s on %d; ", p.Stage, p.Manner, p.Leaving, len(p.Children), p.Why, p.On-today)
		}
		if got != want {
			t.Errorf("%q; want %q", got, want)
		}
	}
	must(t, s.PutOff(ctx, s.orchard.ID, both, true), s.PutOff(ctx, s.orchard.ID, both, true))
	says("joining/one-swap-ones drawn true 2 no-pieces on 0; ")
	anew := both
	anew.On, anew.Why, anew.Children = today+1, group.NoTime, both.Children[:1]
	must(t, s.PutOff(ctx, s.orchard.ID, anew, true))
	says("joining/one-swap-ones drawn true 1 no-time on 1; ")
	must(t, s.PutOff(ctx, s.orchard.ID, anew, false))
	says("")
	other := both
	other.Leaving = false
	must(t, s.PutOff(ctx, s.orchard.ID, both, true), s.PutOff(ctx, s.orchard.ID, other, true))
	says("joining/one-swap-ones drawn false 2 no-pieces on 0; joining/one-swap-ones drawn true 2 no-pieces on 0; ")
	for name, child := range map[string]string{"another class's child": s.mina.ID.String(), "nobody": uuid.NewString(), "no id": "Wren"} {
		wrong := both
		wrong.Children = []string{s.wren.ID.String(), child}
		if err := s.PutOff(ctx, s.orchard.ID, wrong, true); !errors.Is(err, store.ErrNone) {
			t.Errorf("%s: %v", name, err)
		}
	}
	says("joining/one-swap-ones drawn false 2 no-pieces on 0; joining/one-swap-ones drawn true 2 no-pieces on 0; ")
	must(t, s.RetireLearner(ctx, s.orchard.ID, s.jory.ID, today.Time()))
	says("joining/one-swap-ones drawn false 1 no-pieces on 0; joining/one-swap-ones drawn true 1 no-pieces on 0; ")
	l, err := lesson.New(lesson.Items(choose.OneSwapOnes, problem.SumOf(27, 45)), material.Beads, []string{s.wren.ID.String()})
	must(t, err)
	must(t, s.AddLesson(ctx, store.Lesson{Lesson: l, ID: uuid.New(), ClassID: s.orchard.ID, OpenedBy: s.hanne.ID, ChangedAt: time.Now()}))
	says("")
	must(t, s.PutOff(ctx, s.orchard.ID, anew, true), s.EraseLearner(ctx, s.orchard.ID, s.wren.ID))
	says("")
}

// Who was seen on a day: by a record of that day, not by one that was withdrawn, or in a lesson
// on the mat, by the class's own days.
func TestSeenSince(t *testing.T) {
	s := newSchool(t)
	zone, err := time.LoadLocation(s.orchard.Zone)
	must(t, err)
	late := today.Time().Add(-30 * time.Minute) // half past midnight of today in the class's zone is an hour before in UTC
	l, err := lesson.New(lesson.Items(choose.OneSwapOnes, problem.SumOf(27, 45)), material.Beads, []string{s.wren.ID.String(), s.jory.ID.String()})
	must(t, err)
	gathered := l
	l.Stand = lesson.OnTheMat
	must(t, s.AddLesson(ctx, store.Lesson{Lesson: l, ID: uuid.New(), ClassID: s.orchard.ID, OpenedBy: s.hanne.ID, ChangedAt: late.In(zone)}))
	gathered.Children = []string{s.jory.ID.String()}
	must(t, s.AddLesson(ctx, store.Lesson{Lesson: gathered, ID: uuid.New(), ClassID: s.orchard.ID, OpenedBy: s.hanne.ID, ChangedAt: late.AddDate(0, 0, -1)}))
	o := store.Observation{ID: uuid.New(), ClassID: s.orchard.ID, LearnerID: s.wren.ID, RecordedBy: s.hanne.ID, RecordedAt: time.Now()}
	p := problem.SumOf(27, 45)
	o.Task, o.Stage, o.Manner, o.Help, o.Came, o.Runs, o.Answer, o.Day = p.Task(), choose.OneSwapOnes, book.Column, book.Alone, book.Marked, 1, "72", today-2
	must(t, s.Record(ctx, o, false))
	gone := o
	gone.ID, gone.Day, gone.Withdrawn = uuid.New(), today-3, true
	must(t, s.Record(ctx, gone, true))
	seen, err := s.SeenSince(ctx, s.orchard, today-4)
	must(t, err)
	got := map[string]bool{}
	for _, x := range seen {
		got[fmt.Sprint(map[uuid.UUID]string{s.wren.ID: "wren", s.jory.ID: "jory"}[x.LearnerID], " ", int(x.Day-today))] = true
	}
	if len(seen) != 3 || !got["wren 0"] || !got["jory 0"] || !got["wren -2"] {
		t.Errorf("%v", got)
	}
	if none, err := s.SeenSince(ctx, s.bees, today-4); err != nil || len(none) != 0 {
		t.Errorf("another class: %v, %v", none, err)
	}
}

// The part of a record, whose each place of a lesson is and how the mat saw it are kept as they
// were written.
func TestPartsAreKept(t *testing.T) {
	s := newSchool(t)
	l, err := lesson.New(lesson.Items(choose.OneSwapOnes, problem.SumOf(27, 45), problem.SumOf(38, 46)), material.Beads, []string{s.wren.ID.String(), s.jory.ID.String()})
	must(t, err)
	l.Items[1].Manner = book.Drawn
	l = l.Deal(func(ladder.Key) []lesson.Lack { return make([]lesson.Lack, 2) })
	l, err = l.With(lesson.Change{Saw: []lesson.Sighting{{How: lesson.Asked}}})
	must(t, err)
	id := uuid.New()
	must(t, s.AddLesson(ctx, store.Lesson{Lesson: l, ID: id, ClassID: s.orchard.ID, OpenedBy: s.hanne.ID, ChangedAt: time.Now()}))
	kept, err := s.Lesson(ctx, s.orchard.ID, id)
	must(t, err)
	if fmt.Sprint(kept.Items) != fmt.Sprint(l.Items) || kept.Items[0].Turns == nil || kept.Items[1].Manner != book.Drawn {
		t.Errorf("%+v; want %+v", kept.Items, l.Items)
	}
	o := store.Observation{ID: uuid.New(), ClassID: s.orchard.ID, LearnerID: s.wren.ID, LessonID: uuid.NullUUID{UUID: id, Valid: true}, RecordedBy: s.hanne.ID, RecordedAt: time.Now()}
	o.Task, o.Stage, o.Manner, o.Help, o.Came, o.Runs, o.Answer, o.Day, o.Part = l.Items[0].Task, choose.OneSwapOnes, book.Pieces, book.Alone, book.Typed, 1, "62", today, place.SetOf(place.Ones)
	must(t, s.Record(ctx, o, false))
	list, err := s.LessonObservations(ctx, id)
	must(t, err)
	if len(list) != 1 || list[0].Part != place.SetOf(place.Ones) || !list[0].Right() {
		t.Errorf("%+v", list)
	}
	stands := standOf(t, s.Store, s.orchard.ID, s.wren.ID).Standings[ladder.Key{Stage: choose.OneSwapOnes, Manner: book.Pieces}]
	// An erased child leaves its place to nobody; the other keeps its own.
	must(t, s.EraseLearner(ctx, s.orchard.ID, s.wren.ID))
	kept, err = s.Lesson(ctx, s.orchard.ID, id)
	must(t, err)
	if part, had := kept.Part(0, 0); fmt.Sprint(kept.Items[0].Turns) != "[-1 0]" || len(kept.Children) != 1 || !had || part != 0 {
		t.Errorf("%v of %v, %v", kept.Items[0].Turns, kept.Children, part)
	}
	kept.Stand = lesson.OnTheMat
	must(t, s.SaveLesson(ctx, s.hanne.ID, kept))
	kept, err = s.Lesson(ctx, s.orchard.ID, id)
	must(t, err)
	if fmt.Sprint(kept.Items[0].Turns) != "[-1 0]" || len(kept.Seated) != 1 || kept.Seated[0].At != 0 {
		t.Errorf("saved: %v, %+v", kept.Items[0].Turns, kept.Seated)
	}
	if stands.Beads != ladder.Bead || stands.InRow != 1 || len(stands.Missing) != 0 {
		t.Errorf("%+v", stands)
	}
}
