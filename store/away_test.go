package store_test

import (
	"errors"
	"slices"
	"testing"

	"github.com/google/uuid"

	"vineswap/core/book"
	"vineswap/store"
)

// Who is away is kept for the day alone, once, and for who is in the class.
func TestAway(t *testing.T) {
	s := newSchool(t)
	away := func(day book.Day, want ...uuid.UUID) {
		t.Helper()
		slices.SortFunc(want, func(a, b uuid.UUID) int { return slices.Compare(a[:], b[:]) })
		all, err := s.Standings(ctx, s.orchard, day)
		var got []uuid.UUID
		for _, child := range all {
			if child.Away {
				got = append(got, child.ID)
			}
		}
		slices.SortFunc(got, func(a, b uuid.UUID) int { return slices.Compare(a[:], b[:]) })
		if err != nil || !slices.Equal(got, want) {
			t.Errorf("on %s: %v, %v; wanted %v", day, got, err, want)
		}
	}
	set := func(learner uuid.UUID, day book.Day, is bool) {
		t.Helper()
		must(t, s.SetAway(ctx, s.orchard.ID, learner, day, is))
	}
	away(today)
	set(s.wren.ID, today, true)
	set(s.wren.ID, today, true)
	set(s.jory.ID, today, true)
	away(today, s.wren.ID, s.jory.ID)
	away(today + 1)
	set(s.wren.ID, today, false)
	away(today, s.jory.ID)
	set(s.wren.ID, today+1, true)
	away(today)
	away(today+1, s.wren.ID)
	for name, id := range map[string]uuid.UUID{"nobody": uuid.New()} {
		if err := s.SetAway(ctx, s.orchard.ID, id, today, true); !errors.Is(err, store.ErrNone) {
			t.Errorf("%s is away: %v", name, err)
		}
	}
	must(t, s.RetireLearner(ctx, s.orchard.ID, s.wren.ID, (today+1).Time()))
	away(today + 1)
	must(t, s.ReturnLearner(ctx, s.orchard.ID, s.wren.ID), s.EraseLearner(ctx, s.orchard.ID, s.wren.ID))
	away(today + 1)
}
