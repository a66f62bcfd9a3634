package wire

import (
	"vineswap/core/lesson"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/say"
	"vineswap/core/setting"
	"vineswap/core/slip"
	"vineswap/core/task"
	"vineswap/core/trace"
)

// SlipSays is what is said of a slip, on the screen of an adult alone.
type SlipSays struct {
	Says  string `json:"says"`
	Look  string `json:"look"`  // what to look for
	Helps string `json:"helps"` // the step with material that helps
}

// Gave is a wrong answer to a task that slips explain.
type Gave struct {
	Answer   string     `json:"answer"`   // as it is written
	Slips    [][]string `json:"slips"`    // the ids: each gives just this, one slip or two together
	Shows    string     `json:"shows"`    // in which places it differs from the right one; empty for none
	Lacks    []Written  `json:"lacks"`    // what it has less than the right one, where it has nothing more
	Fewer    string     `json:"fewer"`    // the same, as it is said
	At       string     `json:"at"`       // the step of the work that helps; empty where there is none
	StepSays string     `json:"stepSays"` // and how it is called
}

// gavesOf lists the answers to a task that slips explain, and what is said of these slips.
func gavesOf(class setting.Class, t task.Task, says map[string]SlipSays) []Gave {
	w := class.Words()
	if p, of := problem.From(t); of {
		w = w.For(p.Kind)
	}
	out := []Gave{}
	for _, g := range lesson.Wrongs(t, class.Method()) {
		gave := Gave{Answer: t.Write(g.Answer), Slips: [][]string{}, Shows: w.ShowsIn(g.Shows), Lacks: []Written{}}
		for _, ids := range g.Slips {
			gave.Slips = append(gave.Slips, sayingOf(w, ids, says))
		}
		var places []place.Place
		var counts []int
		for _, l := range g.Lacks {
			gave.Lacks = append(gave.Lacks, Written{l.Place.String(), l.Count})
			places, counts = append(places, l.Place), append(counts, l.Count)
		}
		if len(places) > 0 {
			gave.Fewer = w.Fewer(places, counts)
		}
		if g.Step != nil {
			gave.At, gave.StepSays = g.Step.String(), w.HelpingStep(g.Step.Place, g.Step.Phase == trace.Work || g.Step.Phase == trace.Swapping, g.Swaps)
		}
		out = append(out, gave)
	}
	return out
}

// sayingOf lists the ids of some slips, and notes what is said of each.
func sayingOf(w say.Words, ids []slip.ID, says map[string]SlipSays) []string {
	names := make([]string, len(ids))
	for i, id := range ids {
		names[i] = string(id)
		says[names[i]] = SlipSays{say.Slip(id), w.LookFor(id), w.HelpsWith(id)}
	}
	return names
}
