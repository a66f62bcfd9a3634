package trial_test

import (
	"bytes"
	"strings"
	"testing"

	"vineswap/trial"
)

// The rule of the ladder reaches what is asked of it, and the naive rules do not:
// on fewer children than the command's, so that a share may miss by two in a hundred.
func TestTheLadderReachesItsGoals(t *testing.T) {
	rows, err := trial.Ladder(300, 1)
	if err != nil {
		t.Fatal(err)
	}
	if len(rows) != 16 {
		t.Errorf("%d rows", len(rows))
	}
	naive := make([]int, len(trial.Rules()))
	for _, r := range rows {
		slack := 0.0
		if r.Share {
			slack = .02
		}
		if found := r.Found[0]; r.Most && found > r.Goal+slack || !r.Most && found < r.Goal-slack {
			t.Errorf("%s: %.3f, to reach %.3f", r.Asked, found, r.Goal)
		}
		for i, found := range r.Found {
			if r.Most && found > r.Goal+slack || !r.Most && found < r.Goal-slack {
				naive[i]++
			}
		}
	}
	if naive[1] < 3 || naive[2] < 3 {
		t.Errorf("the naive rules miss %v goals: the trial asks too little", naive[1:])
	}
	var out bytes.Buffer
	if err := trial.Print(&out, rows); err != nil || strings.Count(out.String(), "\n") < len(rows)+1 {
		t.Errorf("%v\n%s", err, out.String())
	}
}

// A row knows whether it holds.
func TestHolds(t *testing.T) {
	for name, c := range map[string]struct {
		row   trial.Row
		holds bool
	}{
		"at an upper end": {trial.Row{Goal: .02, Most: true, Found: []float64{.02, .9}}, true},
		"above it":        {trial.Row{Goal: .02, Most: true, Found: []float64{.021, 0}}, false},
		"at a lower end":  {trial.Row{Goal: .95, Found: []float64{.95, 0}}, true},
		"below it":        {trial.Row{Goal: .95, Found: []float64{.94, 1}}, false},
	} {
		if got := c.row.Holds(); got != c.holds {
			t.Errorf("%s: %t", name, got)
		}
	}
}
