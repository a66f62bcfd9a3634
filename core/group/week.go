package group

import (
	"cmp"
	"slices"
	"time"

	"vineswap/core/book"
)

// schoolWeek is how many school days the week back has.
const schoolWeek = 5

// SchoolWeek is the last five days from Monday to Friday, the last of them today or, on a
// weekend, the day before it.
func SchoolWeek(today book.Day) []book.Day {
	var days []book.Day
	for d := today; len(days) < schoolWeek; d-- {
		if weekday := d.Time().Weekday(); weekday != time.Saturday && weekday != time.Sunday {
			days = append(days, d)
		}
	}
	slices.Reverse(days)
	return days
}

// WeekRow is on which of the days of a school week a child was seen.
type WeekRow struct {
	Child
	Seen []bool // by the days of SchoolWeek
	Days int    // on how many of them
}

// WeekBack says of each child on which of the last five school days it was seen; those who
// were seen on the fewest come first, and of these by name. What was seen on a weekend counts
// for no day.
func WeekBack(children []Child, seen map[string][]book.Day, today book.Day) []WeekRow {
	days := SchoolWeek(today)
	rows := make([]WeekRow, len(children))
	for i, c := range children {
		rows[i] = WeekRow{Child: c, Seen: make([]bool, len(days))}
		for k, d := range days {
			if rows[i].Seen[k] = slices.Contains(seen[c.ID], d); rows[i].Seen[k] {
				rows[i].Days++
			}
		}
	}
	slices.SortStableFunc(rows, func(a, b WeekRow) int { return cmp.Or(cmp.Compare(a.Days, b.Days), cmp.Compare(a.Name, b.Name)) })
	return rows
}
