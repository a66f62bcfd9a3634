package book

import (
	"errors"
	"fmt"
	"time"
)

// Day is a day of the calendar, counted from 1 January 1970. Which instants
// belong to it is the class's own zone's affair.
type Day int

const dayFormat = "2006-01-02"

// firstYear is before any day on which a child of today did anything.
const firstYear = 1900

// ErrDay is wrapped by the error about a text that is no day.
var ErrDay = errors.New("a day is written as 2026-11-25")

// DayOf returns the day of an instant in the zone that the instant carries.
func DayOf(t time.Time) Day {
	y, m, d := t.Date()
	return Day(time.Date(y, m, d, 0, 0, 0, 0, time.UTC).Unix() / (24 * 60 * 60))
}

// ParseDay reads what Day.String writes.
func ParseDay(text string) (Day, error) {
	t, err := time.Parse(dayFormat, text)
	if err != nil {
		return 0, fmt.Errorf("%w, not %q", ErrDay, text)
	}
	if t.Year() < firstYear {
		return 0, fmt.Errorf("%w, and not before %d", ErrDay, firstYear)
	}
	return DayOf(t), nil
}

// Time returns the beginning of the day in UTC.
func (d Day) Time() time.Time { return time.Unix(int64(d)*24*60*60, 0).UTC() }

// String writes the day as 2026-11-25.
func (d Day) String() string { return d.Time().Format(dayFormat) }

// Week is a week from Monday to Sunday, counted from the one of 1 January 1970.
type Week int

// Week returns the week of the day.
func (d Day) Week() Week {
	const thursday = 3 // days after Monday
	n := int(d) + thursday
	if n < 0 {
		n -= 6
	}
	return Week(n / 7)
}

// SchoolDays counts the days from Monday to Friday after this day, up to another one.
func (d Day) SchoolDays(until Day) int {
	const week, school = 7, 5
	n := max(0, int(until-d))
	days := n / week * school
	for last := until - Day(n%week) + 1; last <= until && n%week > 0; last++ {
		if weekday := last.Time().Weekday(); weekday != time.Saturday && weekday != time.Sunday {
			days++
		}
	}
	return days
}
