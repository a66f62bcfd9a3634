package store_test

import (
	"errors"
	"testing"

	"github.com/google/uuid"

	"vineswap/store"
)

// Two children of a class are kept apart once, in whatever order they are named; a child who
// has left is in no pair until it comes back, and nobody is kept apart from itself or from a
// child of another class.
func TestKeptApart(t *testing.T) {
	s := newSchool(t)
	pair, turned := store.Pair{One: s.wren.ID, Other: s.jory.ID}, store.Pair{One: s.jory.ID, Other: s.wren.ID}
	apart := func(want int) {
		t.Helper()
		if got, err := s.Apart(ctx, s.orchard.ID); err != nil || len(got) != want {
			t.Errorf("%v, %v; %d were wanted", got, err, want)
		}
	}
	must(t, s.KeepApart(ctx, s.orchard.ID, pair, true), s.KeepApart(ctx, s.orchard.ID, turned, true))
	apart(1)
	for name, c := range map[string]struct {
		class uuid.UUID
		pair  store.Pair
		want  error
	}{
		"from itself":            {s.orchard.ID, store.Pair{One: s.wren.ID, Other: s.wren.ID}, store.ErrAlone},
		"from nobody":            {s.orchard.ID, store.Pair{One: s.wren.ID, Other: uuid.New()}, store.ErrNone},
		"in a class of neither":  {s.bees.ID, pair, store.ErrNone},
		"where nobody is at all": {uuid.New(), pair, store.ErrNone},
	} {
		if err := s.KeepApart(ctx, c.class, c.pair, true); !errors.Is(err, c.want) {
			t.Errorf("%s: %v", name, err)
		}
	}
	must(t, s.RetireLearner(ctx, s.orchard.ID, s.wren.ID, today.Time()))
	apart(0)
	if err := s.KeepApart(ctx, s.orchard.ID, pair, true); !errors.Is(err, store.ErrNone) {
		t.Errorf("from one who has left: %v", err)
	}
	must(t, s.ReturnLearner(ctx, s.orchard.ID, s.wren.ID))
	apart(1)
	must(t, s.KeepApart(ctx, s.orchard.ID, turned, false), s.KeepApart(ctx, s.orchard.ID, turned, false))
	apart(0)
	must(t, s.KeepApart(ctx, s.orchard.ID, pair, true), s.EraseLearner(ctx, s.orchard.ID, s.jory.ID))
	apart(0)
}
