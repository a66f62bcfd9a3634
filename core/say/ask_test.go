package say_test

import (
	"strings"
	"testing"

	"vineswap/core/say"
	"vineswap/core/swap"
	"vineswap/core/trace"
)

// Every step that answers something can be asked about before it is shown, and
// the question does not give the answer away.
func TestQuestionsBeforeAStep(t *testing.T) {
	w := say.Words{Places: say.Units}
	asked := map[trace.StepKind]string{}
	for _, text := range []string{"1458+2367", "5003-1264", "97/4", "78:6", "213*3"} {
		tr := traced(t, text)
		for _, s := range tr.Steps {
			question := w.Ask(tr, s)
			if question == "" {
				continue
			}
			asked[s.Kind] = question
			if !strings.HasSuffix(question, "?") && !strings.HasSuffix(question, ".") || plainFault(question) != "" {
				t.Errorf("%s, %s: %q", text, s.Kind, question)
			}
			if strings.Contains(question, tr.Answer.String()) {
				t.Errorf("%s: %q says the answer", text, question)
			}
		}
	}
	for kind, want := range map[trace.StepKind]string{
		swap.CountUp: "How many thousands are there now?", swap.SwapDown: "Who can give? What is one ten the same as?", swap.Stop: "Is there a ten? What is it the same as?",
		swap.Compare: "Is it the number we started with?", swap.Deal: "How many does each one get?", swap.Build: "", swap.MakeSwap: "", swap.TakeAway: "",
	} {
		if kind == swap.CountUp || kind == swap.SwapDown {
			if asked[kind] == "" {
				t.Errorf("%s is not asked about", kind)
			}
			continue
		}
		if asked[kind] != want {
			t.Errorf("%s: %q, wanted %q", kind, asked[kind], want)
		}
	}
	if got := w.Ask(traced(t, "62-38"), trace.Step{Kind: swap.Look}); got != "Is there enough in the units?" {
		t.Error(got)
	}
}
