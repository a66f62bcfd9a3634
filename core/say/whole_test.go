package say_test

import (
	"testing"

	"vineswap/core/lesson"
	"vineswap/core/opener"
	"vineswap/core/say"
	"vineswap/core/task"
)

// A class is told what it does with the task: pushed, laid, drawn, or written on a slate.
func TestPaceWords(t *testing.T) {
	for text, want := range map[string]string{
		"28 numeral push": "Push it on your rack.", "17 word lay": "Lay it.", "473906 said cards": "Lay it.", "47 numeral draw": "Draw it.", "47 drawn write": "Write it down.", "47+25": "Write it down.", "8,7,5": "Write it down.",
	} {
		work, err := task.Parse(text)
		if err != nil {
			t.Fatal(err)
		}
		if got := say.Pace(string(lesson.WriteIt), work).Says; got != want {
			t.Errorf("%s: %q, wanted %q", text, got, want)
		}
		for _, p := range lesson.Paces() {
			if w := say.Pace(string(p), work); w.Name == "" || w.Says == "" || w.Do == "" {
				t.Errorf("%s, %s: %+v", text, p, w)
			}
		}
	}
	if got := say.Pace(string(lesson.Together), opener.Spot{}.Task()).Do; got != "Show the slip" {
		t.Errorf("where a slip is looked for: %q", got)
	}
}
