package place_test

import (
	"errors"
	"slices"
	"testing"

	"vineswap/core/place"
)

// Every set is written by its places from the ones up and read again, in any order.
func TestSet(t *testing.T) {
	for bits := range 1 << place.Count {
		s := place.Set(bits)
		again, err := place.ParseSet(s.String())
		if err != nil || again != s || place.SetOf(s.Places()...) != s {
			t.Fatalf("%q is read as %q, %v", s, again, err)
		}
		for _, p := range place.All() {
			if s.Has(p) != slices.Contains(s.Places(), p) {
				t.Fatalf("%q and the %v", s, p)
			}
		}
	}
	for text, want := range map[string]place.Set{"": 0, "hundreds ones": place.SetOf(place.Ones, place.Hundreds), " tens  tens ": place.SetOf(place.Tens)} {
		if got, err := place.ParseSet(text); err != nil || got != want {
			t.Errorf("%q: %q, %v", text, got, err)
		}
	}
	if _, err := place.ParseSet("ones sideways"); !errors.Is(err, place.ErrPlace) {
		t.Errorf("a place that there is not: %v", err)
	}
}
