package trial_test

import (
	"bytes"
	"strings"
	"testing"

	"vineswap/trial"
)

// What explains answers is found as often as is asked, and the naive rule does not: on fewer
// children than the command's, so that a share may miss by some in a hundred.
func TestSlipsAreFound(t *testing.T) {
	found := trial.SlipTrial(40, 3)
	const slack = .04
	naive := 0
	for _, r := range found.Goals {
		if v := r.Found[0]; r.Most && v > r.Goal+slack || !r.Most && v < r.Goal-slack {
			t.Errorf("%s: %.3f, to reach %.3f", r.Asked, v, r.Goal)
		}
		if v := r.Found[1]; r.Most && v > r.Goal+slack || !r.Most && v < r.Goal-slack {
			naive++
		}
	}
	if naive < 6 {
		t.Errorf("the naive rule misses %d goals: the trial asks too little", naive)
	}
	for _, r := range found.Named {
		for i := range trial.Counts {
			if r.Told[i] > r.Judge[i] {
				t.Errorf("%s: %.2f told, %.2f named", r.Sort, r.Told[i], r.Judge[i])
			}
		}
	}
	cases := 0
	for _, tenth := range found.Tenth {
		cases += tenth.Cases
		if tenth.Cases >= 60 && tenth.Off() > tenth.Limit()+.05 {
			t.Errorf("%d questions, from %.1f: %.2f stated, %.2f so, of %d", tenth.After, tenth.From, tenth.Stated, tenth.True, tenth.Cases)
		}
	}
	if cases < 900 {
		t.Errorf("%d cases", cases)
	}
	var out bytes.Buffer
	if err := trial.PrintSlips(&out, found); err != nil || !strings.Contains(out.String(), "goals") {
		t.Errorf("%v\n%s", err, out.String())
	}
}
