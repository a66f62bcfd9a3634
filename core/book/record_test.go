package book_test

import (
	"fmt"
	"testing"

	"vineswap/core/book"
)

// Records that count stand in the order in which they happened; a correction where
// the first record stood.
func TestSettled(t *testing.T) {
	record := func(id, replaces string, day book.Day, seq int64) book.Record {
		return book.Record{Observation: book.Observation{Day: day}, ID: id, Replaces: replaces, Seq: seq}
	}
	withdrawn := record("f", "e", 3, 6)
	withdrawn.Withdrawn = true
	list := []book.Record{
		record("a", "", 5, 1), record("b", "", 4, 2), record("c", "", 5, 3), record("d", "a", 5, 4), record("g", "d", 5, 7), record("e", "", 3, 5), withdrawn,
	}
	said := ""
	for _, r := range book.Settled(list) {
		said += fmt.Sprintf("%s%d ", r.ID, r.Seq)
	}
	if said != "b2 g1 c3 " {
		t.Errorf("settled as %s", said)
	}
	if current := book.Current(list); len(current) != 4 || !current["g"] || current["a"] || current["d"] || !current["f"] {
		t.Errorf("current are %v", current)
	}
}

func TestWeeks(t *testing.T) {
	for text, want := range map[string]book.Week{"1970-01-01": 0, "1970-01-04": 0, "1970-01-05": 1, "1969-12-29": 0, "1969-12-28": -1, "1969-12-22": -1, "2026-11-23": 2969, "2026-11-29": 2969, "2026-11-30": 2970} {
		day, err := book.ParseDay(text)
		if err != nil || day.Week() != want {
			t.Errorf("%s is in week %d, wanted %d, %v", text, day.Week(), want, err)
		}
	}
}
