package book_test

import (
	"errors"
	"fmt"
	"testing"
	"time"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/problem"
)

// A day is a day in the class's own zone: over midnight, and over a change of
// clocks.
func TestDays(t *testing.T) {
	vienna, err := time.LoadLocation("Europe/Vienna")
	if err != nil {
		t.Fatal(err)
	}
	auckland, err := time.LoadLocation("Pacific/Auckland")
	if err != nil {
		t.Fatal(err)
	}
	evening := time.Date(2026, 11, 24, 23, 30, 0, 0, time.UTC)
	for name, c := range map[string]struct {
		at   time.Time
		want string
	}{
		"before midnight in UTC":       {evening, "2026-11-24"},
		"after midnight in Vienna":     {evening.In(vienna), "2026-11-25"},
		"noon in Auckland":             {evening.In(auckland), "2026-11-25"},
		"the night the clocks go back": {time.Date(2026, 10, 25, 0, 30, 0, 0, time.UTC).In(vienna), "2026-10-25"},
		"an hour later":                {time.Date(2026, 10, 25, 1, 30, 0, 0, time.UTC).In(vienna), "2026-10-25"},
		"before 1970":                  {time.Date(1969, 12, 31, 0, 0, 0, 0, time.UTC), "1969-12-31"},
	} {
		day := book.DayOf(c.at)
		back, err := book.ParseDay(c.want)
		if day.String() != c.want || err != nil || back != day {
			t.Errorf("%s: %v, %v", name, day, err)
		}
	}
	if a, b := book.DayOf(time.Date(2026, 3, 29, 12, 0, 0, 0, vienna)), book.DayOf(time.Date(2026, 3, 28, 12, 0, 0, 0, vienna)); a-b != 1 {
		t.Errorf("a day of 23 hours is %d days", a-b)
	}
	if _, err := book.ParseDay("25.11.2026"); !errors.Is(err, book.ErrDay) {
		t.Errorf("%v", err)
	}
}

func TestValid(t *testing.T) {
	whole := book.Observation{Task: problem.SumOf(47, 25).Task(), Stage: choose.OneSwapOnes, Manner: book.Pieces, Help: book.Alone, Answer: "72", Came: book.Marked, Runs: 1, Day: 100}
	for name, c := range map[string]struct {
		spoil func(*book.Observation)
		want  error
	}{
		"whole":                    {func(*book.Observation) {}, nil},
		"no such manner":           {func(o *book.Observation) { o.Manner = "sung" }, book.ErrManner},
		"no such help":             {func(o *book.Observation) { o.Help = "" }, book.ErrHelp},
		"no such way":              {func(o *book.Observation) { o.Way = "magic" }, book.ErrWay},
		"come from nowhere":        {func(o *book.Observation) { o.Came = "guessed" }, book.ErrCame},
		"marked right and wrong":   {func(o *book.Observation) { o.Answer = "62" }, book.ErrMarked},
		"typed and wrong":          {func(o *book.Observation) { o.Answer, o.Came = "62", book.Typed }, nil},
		"no answer":                {func(o *book.Observation) { o.Answer, o.Came = "", book.Typed }, nil},
		"no run":                   {func(o *book.Observation) { o.Runs = 0 }, book.ErrRuns},
		"an endless answer":        {func(o *book.Observation) { o.Answer, o.Came = fmt.Sprintf("%050d", 1), book.Typed }, book.ErrLong},
		"today":                    {func(o *book.Observation) { o.Day = 101 }, nil},
		"tomorrow":                 {func(o *book.Observation) { o.Day = 102 }, book.ErrFuture},
		"a problem that is no one": {func(o *book.Observation) { o.Task = problem.SumOf(47).Task() }, problem.ErrAddends},
	} {
		o := whole
		c.spoil(&o)
		if err := o.Valid(101); !errors.Is(err, c.want) {
			t.Errorf("%s: %v", name, err)
		}
	}
}
