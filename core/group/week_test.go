package group_test

import (
	"fmt"
	"slices"
	"testing"

	"vineswap/core/book"
	"vineswap/core/group"
)

func dayOf(t *testing.T, text string) book.Day {
	t.Helper()
	d, err := book.ParseDay(text)
	if err != nil {
		t.Fatal(err)
	}
	return d
}

// The last five days from Monday to Friday, also asked on a weekend.
func TestSchoolWeek(t *testing.T) {
	for today, want := range map[string]string{
		"2026-11-27": "2026-11-23 2026-11-24 2026-11-25 2026-11-26 2026-11-27", // a Friday
		"2026-11-28": "2026-11-23 2026-11-24 2026-11-25 2026-11-26 2026-11-27",
		"2026-11-29": "2026-11-23 2026-11-24 2026-11-25 2026-11-26 2026-11-27",
		"2026-11-30": "2026-11-24 2026-11-25 2026-11-26 2026-11-27 2026-11-30",
	} {
		if got := fmt.Sprint(group.SchoolWeek(dayOf(t, today))); got != "["+want+"]" {
			t.Errorf("on %s: %s", today, got)
		}
	}
}

// Who was seen least comes first; a class of nobody is an empty week.
func TestWeekBack(t *testing.T) {
	friday := dayOf(t, "2026-11-27")
	children := []group.Child{{ID: "a", Name: "Ada W."}, {ID: "b", Name: "Bram D."}, {ID: "c", Name: "Clio J."}, {ID: "d", Name: "Dora S."}}
	seen := map[string][]book.Day{
		"a": {friday, friday - 1, friday - 4},
		"b": {friday - 3},
		"c": {friday - 5, friday - 6, friday + 1}, // a weekend and a day to come
	}
	var got []string
	for _, r := range group.WeekBack(children, seen, friday) {
		got = append(got, fmt.Sprint(r.Name, r.Days, r.Seen))
	}
	want := []string{
		"Clio J. 0 [false false false false false]", "Dora S. 0 [false false false false false]", "Bram D. 1 [false true false false false]", "Ada W. 3 [true false false true true]",
	}
	for i, w := range want {
		if i >= len(got) || !slices.Equal(fields(got[i]), fields(w)) {
			t.Errorf("%v; want %v", got, want)
			break
		}
	}
	if rows := group.WeekBack(nil, nil, friday); len(rows) != 0 {
		t.Errorf("nobody: %v", rows)
	}
}

func fields(s string) []string {
	var out []string
	for _, r := range s {
		if r != ' ' {
			out = append(out, string(r))
		}
	}
	return out
}

// The first lessons fit as long as there are minutes, each to the adult with the most left.
func TestFits(t *testing.T) {
	for name, c := range map[string]struct {
		lessons      []int
		each, adults int
		want         string
	}{
		"nothing said":             {[]int{5, 500}, 0, 1, "[true true]"},
		"all fit":                  {[]int{5, 6, 4}, 15, 1, "[true true true]"},
		"the last does not":        {[]int{5, 6, 5}, 15, 1, "[true true false]"},
		"a shorter one after it":   {[]int{5, 20, 10}, 15, 1, "[true false true]"},
		"one adult more":           {[]int{10, 10, 10}, 15, 2, "[true true false]"},
		"not split between adults": {[]int{10, 10, 8}, 14, 2, "[true true false]"},
		"no lessons":               {nil, 15, 1, "[]"},
		"nobody is one":            {[]int{5}, 15, 0, "[true]"},
	} {
		if got := fmt.Sprint(group.Fits(c.lessons, c.each, c.adults)); got != c.want {
			t.Errorf("%s: %s; want %s", name, got, c.want)
		}
	}
}
