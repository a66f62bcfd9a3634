package ladder

import (
	"cmp"
	"slices"

	"vineswap/core/book"
)

// Ruling is a guide's own judgement as it is kept.
type Ruling struct {
	Overrule
	Key
	Seq int64 // in which order it was kept, among records too
}

// Events puts records and judgements into the order in which they happened: by
// day, and on one day as they were kept. Records that were corrected or withdrawn
// are left out.
func Events(records []book.Record, rulings []Ruling) []Event {
	var events []Event
	place := func(e Event, seq int64) {
		e.Seq = seq
		events = append(events, e)
	}
	for _, r := range book.Settled(records) {
		place(Saw(r.Observation), r.Seq)
	}
	for _, r := range rulings {
		place(Judged(r.Key, r.Overrule), r.Seq)
	}
	slices.SortStableFunc(events, func(a, b Event) int { return cmp.Or(cmp.Compare(a.Day(), b.Day()), cmp.Compare(a.Seq, b.Seq)) })
	return events
}
