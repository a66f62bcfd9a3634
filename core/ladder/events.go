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
	type placed struct {
		Event
		day book.Day
		seq int64
	}
	var all []placed
	for _, r := range book.Settled(records) {
		all = append(all, placed{Saw(r.Observation), r.Day, r.Seq})
	}
	for _, r := range rulings {
		all = append(all, placed{Judged(r.Key, r.Overrule), r.Day, r.Seq})
	}
	slices.SortStableFunc(all, func(a, b placed) int { return cmp.Or(cmp.Compare(a.day, b.day), cmp.Compare(a.seq, b.seq)) })
	events := make([]Event, len(all))
	for i, p := range all {
		events[i] = p.Event
	}
	return events
}
