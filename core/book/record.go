package book

import (
	"cmp"
	"slices"
)

// Record is an observation as it is kept. Records are only ever added: a
// correction is a new one that replaces an older, and a withdrawn one counts for
// nothing.
type Record struct {
	Observation
	ID        string
	Replaces  string // the record that this one corrects; empty for none
	Learner   string
	Lesson    string // empty for none
	Nth       int    // which of the lesson's tasks
	Withdrawn bool
	Seq       int64 // in which order they were kept
}

// Current tells which records nothing replaces, by their ids.
func Current(records []Record) map[string]bool {
	current := map[string]bool{}
	for _, r := range records {
		current[r.ID] = true
	}
	for _, r := range records {
		delete(current, r.Replaces)
	}
	return current
}

// Settled returns the records that count, in the order in which they happened: by
// their day, and on one day as they were kept. A correction stands where the first
// record stood; its Seq is that of the first.
func Settled(records []Record) []Record {
	current, first := Current(records), map[string]int64{}
	var settled []Record
	for _, r := range bySeq(records) {
		first[r.ID] = r.Seq
		if r.Replaces != "" {
			first[r.ID] = first[r.Replaces]
		}
		if current[r.ID] && !r.Withdrawn {
			r.Seq = first[r.ID]
			settled = append(settled, r)
		}
	}
	return sorted(settled, func(a, b *Record) int { return cmp.Or(cmp.Compare(a.Day, b.Day), cmp.Compare(a.Seq, b.Seq)) })
}

func bySeq(records []Record) []Record {
	return sorted(records, func(a, b *Record) int { return cmp.Compare(a.Seq, b.Seq) })
}

// sorted are records in another order, those that are alike as they were. Where they stand is
// sorted, since records are large.
func sorted(records []Record, compare func(a, b *Record) int) []Record {
	at := make([]int, len(records))
	for i := range at {
		at[i] = i
	}
	slices.SortFunc(at, func(i, j int) int { return cmp.Or(compare(&records[i], &records[j]), cmp.Compare(i, j)) })
	made := make([]Record, len(records))
	for k, i := range at {
		made[k] = records[i]
	}
	return made
}

// Undone tells of a record that was taken back: the child waits to be written
// again. One that was withdrawn from the first says that there is nothing to write.
func (r Record) Undone() bool { return r.Withdrawn && r.Replaces != "" }

// Spot is a child at a task of a lesson.
type Spot struct {
	Lesson  string
	Nth     int
	Learner string
}

// Spot returns where the record belongs.
func (r Record) Spot() Spot { return Spot{r.Lesson, r.Nth, r.Learner} }

// Written says of whom something is written at a task, or that there is nothing to
// write.
func Written(records []Record) map[Spot]bool {
	current, written := Current(records), map[Spot]bool{}
	for _, r := range records {
		if current[r.ID] && !r.Undone() {
			written[r.Spot()] = true
		}
	}
	return written
}
