package say

import (
	"fmt"
	"strings"

	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/number"
	"vineswap/core/problem"
	"vineswap/core/swap"
	"vineswap/core/trace"
)

// matterNames are the headings of the settings.
var matterNames = map[string]string{
	"swap": "Ten for one is called", "places": "Places are called", "digits": "Digits are said", "when": "In addition, {swap}", "carried": "In addition, what is carried is written", "crossing": "In subtraction, the change is written", "order": "In subtraction, {swap}", "zeros": "Over zeros, {swap}",
	"filled": "Ten frames are filled", "bank": "The shelf to {swap} with is called", "adult": "Who leads a lesson is called",
	"and": "Numbers are said", "teens": "Numbers after ten are said", "comma": "Thousands are written", "material": "Lessons open with", "signs": "Which number is more is written", "rack": "Beads of a rack are pushed", "range": "Numbers go up to", "stairs": "Bead stairs that we own", "remainders": "Remainder bars that we own",
}

// Matter names a setting, with the class's own word for the swap.
func (w Words) Matter(id string) string {
	verb := w.forms().verb
	if id == "order" || id == "zeros" {
		verb = w.down().forms().verb
	}
	return strings.ReplaceAll(matterNames[id], "{swap}", verb)
}

// BankExample is a sentence with the class's word for the bank.
func (w Words) BankExample() string {
	return fmt.Sprintf("Ten go back to the %s.", w.TheBank())
}

// AdultExample is a sentence with the class's word for who leads the lesson.
func (w Words) AdultExample() string {
	return fmt.Sprintf("The %s's own judgement.", w.TheAdult())
}

var sideNames = map[string]map[string]string{
	"places":     {"ones": "ones, tens, hundreds", "units": "units, tens, hundreds", "beads": "beads, bars, squares", "blocks": "cubes, sticks, flats"},
	"digits":     {"by-kind": "by kind", "face-value": "by face value"},
	"when":       {"at-ten": "at ten, while counting", "after-column": "after the whole column"},
	"carried":    {"above": "above the top", "under": "under the last number", "beside": "beside its place"},
	"crossing":   {"cross-out": "crossed out, the new one above", "in-front": "a small 1 in front"},
	"order":      {"as-needed": "as each place needs it", "swaps-first": "all places first"},
	"zeros":      {"place-by-place": "place by place", "as-one": "as one"},
	"filled":     {"by-rows": "by rows", "by-pairs": "by pairs"},
	"and":        {"false": "without “and”", "true": "with “and”"},
	"teens":      {"plain": "in plain words", "ten-and": "as tens and ones"},
	"comma":      {"none": "without a gap", "comma": "with a comma", "space": "with a space"},
	"range":      {"20": "20", "100": "100", "1000": "1,000", "10000": "10,000", "1000000": "a million"},
	"material":   {"beads": "beads", "blocks": "blocks", "drawings": "drawings"},
	"bank":       {"bank": "bank", "store": "store"},
	"signs":      {"signs": "with < and >", "words": "in words"},
	"rack":       {"left": "to the left", "right": "to the right"},
	"stairs":     {"0": "none", "1": "one", "2": "two", "3": "three", "4": "four"},
	"remainders": {"one-of-each": "one of each", "none": "none"},
	"adult":      {"teacher": "teacher", "guide": "guide"},
}

// Side names a side of a setting; empty where the class's own word is its name.
func Side(matter, side string) string { return sideNames[matter][side] }

// RangeExample says how many stages of the ladder have numbers in a range.
func (w Words) RangeExample(r choose.Range) string {
	n := 0
	last := ""
	for _, strand := range ladder.Strands() {
		for _, stage := range ladder.Stages(strand) {
			if stage.Within(r.Limit()) {
				n++
				last = w.Task(stage.Example)
			}
		}
	}
	return fmt.Sprintf("%d stages, as far as %s", n, last)
}

// OrderExample says in which order 52 − 38 is worked.
func (w Words) OrderExample(m trace.Method) string {
	return "52 − 38: " + w.doing(m, problem.DifferenceOf(52, 38), swap.Look, swap.SwapDown, swap.TakeAway)
}

// ZerosExample says the swaps of 503 − 128.
func (w Words) ZerosExample(m trace.Method) string {
	return "503 − 128: " + w.doing(m, problem.DifferenceOf(503, 128), swap.SwapDown)
}

// FilledExample says how eight are put into a ten frame.
func (w Words) FilledExample(m trace.Method) string {
	t, err := number.Solve(number.Asked{Number: 8, Shown: number.Frames, Answered: number.Say}, m)
	if err != nil {
		return ""
	}
	lines, _ := w.Lines(t)
	return lines[1].String()
}

// doing lists the places at which steps of some kinds are done.
func (w Words) doing(m trace.Method, p problem.Problem, kinds ...trace.StepKind) string {
	t, err := swap.By(m, p)
	if err != nil {
		return ""
	}
	var parts []string
	for i, line := range w.Trace(t) {
		for _, kind := range kinds {
			if t.Steps[i].Kind == kind {
				parts = append(parts, strings.ToLower(line.Do[:1])+line.Do[1:])
			}
		}
	}
	return fmt.Sprintf("%s.", list(parts))
}
