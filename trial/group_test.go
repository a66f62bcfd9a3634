package trial_test

import (
	"bytes"
	"strings"
	"testing"

	"vineswap/trial"
)

// Lessons by need and wait leave nobody out for long and no day empty, seat nobody beside one
// from whom it is kept apart, and children come to know no less than where the stage with
// most of them is taken, which leaves most of them out.
func TestNobodyIsLeftOutForLong(t *testing.T) {
	rows := trial.Grouped(1, 7)
	if len(rows) != 4 {
		t.Fatalf("%d rows", len(rows))
	}
	known, byOther := 0, 0
	for i := 0; i < len(rows); i += 2 {
		ours, naive := rows[i], rows[i+1]
		if ours.LongWaits > 0 || ours.EmptyDays > 0 || ours.Clashes > 0 || ours.SeatedMore > 0 || ours.Longest >= 10 {
			t.Errorf("to %d: %+v", ours.Limit, ours.GroupResult)
		}
		known, byOther = known+ours.Stages, byOther+naive.Stages
		if naive.LongWaits == 0 || naive.EmptyDays == 0 {
			t.Errorf("to %d the other rule leaves nobody out: the trial asks too little: %+v", naive.Limit, naive.GroupResult)
		}
	}
	if 50*known < 49*byOther { // of one room in one year: chance is in it
		t.Errorf("%d stages are known, %d by the other rule", known, byOther)
	}
	if again := trial.Grouped(1, 7); again[0] != rows[0] {
		t.Errorf("the same seed gives %+v and %+v", rows[0], again[0])
	}
	var out bytes.Buffer
	if err := trial.WriteGrouped(&out, rows); err != nil || strings.Count(out.String(), "\n") != len(rows)+3 {
		t.Errorf("%v\n%s", err, out.String())
	}
}
