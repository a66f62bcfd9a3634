// Package turns says whose turn it is to explain before the whole class, so that over a week
// everybody has one: who has waited longest comes first, and who explained last goes to the end.
package turns

import (
	"cmp"
	"hash/fnv"
	"slices"

	"vineswap/core/book"
)

// Turn is a child who was proposed to explain, on a day.
type Turn struct {
	Child string
	Day   book.Day
	Seq   int64 // in which order they were proposed
	Took  bool  // the child explained; false where it was passed by
	Way   book.Way
}

// Unread is a slate of a child that nobody read, on a day.
type Unread struct {
	Child string
	Day   book.Day
}

// Known is what is known of a class: its turns and unread slates of the last weeks, and from
// which day on each child is in it.
type Known struct {
	Turns  []Turn
	Unread []Unread
	Since  map[string]book.Day
}

// Facts are what is known of one child's turns on a day.
type Facts struct {
	Child       string
	Today       bool     // has explained today
	ThisWeek    int      // how often it has explained this week
	Ever        bool     // has explained within what is known
	Last        book.Day // on which it explained last
	LastSeq     int64
	Waits       int // school days since then, or since it is in the class
	PassedToday bool
	UnreadToday int // its slates that nobody read today
	UnreadWeek  int // and this week
}

// Of works out the facts of a child.
func (k Known) Of(child string, today book.Day) Facts {
	f := Facts{Child: child}
	for _, t := range k.Turns {
		switch {
		case t.Child != child || t.Day > today:
		case !t.Took:
			f.PassedToday = f.PassedToday || t.Day == today
		default:
			f.Ever, f.Today = true, f.Today || t.Day == today
			if t.Day.Week() == today.Week() {
				f.ThisWeek++
			}
			if t.Seq > f.LastSeq {
				f.LastSeq = t.Seq
			}
			f.Last = max(f.Last, t.Day)
		}
	}
	for _, u := range k.Unread {
		if u.Child == child && u.Day <= today {
			if u.Day == today {
				f.UnreadToday++
			}
			if u.Day.Week() == today.Week() {
				f.UnreadWeek++
			}
		}
	}
	from := f.Last
	if !f.Ever {
		from = k.Since[child]
	}
	f.Waits = from.SchoolDays(today)
	return f
}

// Why is the reason for which a child is proposed.
type Why string

// The reasons, in the order in which they are told.
const (
	Never      Why = "never"       // has not explained yet
	Waited     Why = "waited"      // not for some school days
	NotRead    Why = "not-read"    // its slate was not read
	Fewest     Why = "fewest"      // has explained, today or yesterday, and less often than others
	WasPassed  Why = "was-passed"  // was passed by today
	HasTheTurn Why = "turn-before" // has explained today already
)

// Proposal is a child who could explain, and why.
type Proposal struct {
	Facts
	Why Why
}

// Queue lists children who are here in the order in which they are to explain. Who was passed
// by today, or has explained today, stands behind the others; then comes who has waited the
// most school days; then whose slates were read the least this week; then who explained
// longest ago. Children who are new to all of this are in an order of their own each day.
func (k Known) Queue(here []string, today book.Day) []Proposal {
	list := make([]Proposal, len(here))
	for i, child := range here {
		list[i].Facts = k.Of(child, today)
		list[i].Why = list[i].why()
	}
	slices.SortFunc(list, func(a, b Proposal) int {
		return cmp.Or(
			cmp.Compare(a.behind(), b.behind()),
			cmp.Compare(b.Waits, a.Waits),
			cmp.Compare(b.UnreadWeek, a.UnreadWeek),
			cmp.Compare(a.ThisWeek, b.ThisWeek),
			cmp.Compare(a.LastSeq, b.LastSeq),
			cmp.Compare(shuffled(a.Child, today), shuffled(b.Child, today)),
			cmp.Compare(a.Child, b.Child),
		)
	})
	return list
}

// behind is where a child stands besides how long it has waited: 0 in the row, 1 behind it as
// it was passed by, 2 behind those as it has explained today.
func (f Facts) behind() int {
	switch {
	case f.Today:
		return 2
	case f.PassedToday:
		return 1
	}
	return 0
}

func (f Facts) why() Why {
	switch {
	case f.Today:
		return HasTheTurn
	case f.PassedToday:
		return WasPassed
	case !f.Ever:
		return Never
	case f.UnreadToday > 0 || f.Waits < 2 && f.UnreadWeek > 0:
		return NotRead
	case f.Waits > 1:
		return Waited
	}
	return Fewest
}

// shuffled gives each child a place of its own on a day.
func shuffled(child string, today book.Day) uint64 {
	sum := fnv.New64a()
	_, _ = sum.Write([]byte{byte(today), byte(today >> 8)})
	_, _ = sum.Write([]byte(child))
	return sum.Sum64()
}
