// Command sentences prints the patterns of all sentences that the mat and the terminal
// say, so that they can be read once by eye: those of 200 problems with the default
// settings and of all numbers that are asked alone, then what is new where one setting is
// changed alone.
package main

import (
	"flag"
	"fmt"
	"math/rand/v2"
	"os"
	"regexp"
	"slices"
	"strings"

	"vineswap/core/lesson"
	"vineswap/core/material"
	"vineswap/core/number"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/say"
	"vineswap/core/setting"
	"vineswap/core/swap"
	"vineswap/core/trace"
)

const problemsOfEach = 200

func main() {
	seed := flag.Uint64("seed", 15, "the same seed draws the same problems")
	flag.Parse()
	if err := printAll(*seed); err != nil {
		fmt.Fprintln(os.Stderr, err)
		os.Exit(1)
	}
}

// variant is one setting changed alone.
type variant struct {
	name  string
	class setting.Class
	drawn bool
}

// variants are the default and each side of each setting that bears on a sentence.
func variants() []variant {
	usual := setting.Default()
	all := []variant{{name: "default", class: usual}, {name: "drawings", class: usual, drawn: true}}
	add := func(name string, set func(c *setting.Class)) {
		c := usual
		set(&c)
		all = append(all, variant{name: name, class: c})
	}
	for _, side := range say.SwapWords()[1:] {
		add("swap word "+string(side), func(c *setting.Class) { c.Swap = side })
	}
	for _, side := range say.PlaceWords()[1:] {
		add("place words "+string(side), func(c *setting.Class) { c.Places = side })
	}
	for _, side := range say.BankWords()[1:] {
		add("bank word "+string(side), func(c *setting.Class) { c.Bank = side })
	}
	add("digits by face value", func(c *setting.Class) { c.Digits = say.FaceValue })
	add("numbers with and", func(c *setting.Class) { c.And = true })
	add("ten-and words", func(c *setting.Class) { c.Teens = say.TenAnd })
	add("comma", func(c *setting.Class) { c.Comma = say.WithComma })
	add("space", func(c *setting.Class) { c.Comma = say.WithSpace })
	add("swap after the column", func(c *setting.Class) { c.When = trace.AfterColumn })
	add("swaps first", func(c *setting.Class) { c.Order = trace.SwapsFirst })
	add("frames by pairs", func(c *setting.Class) { c.Filled = trace.ByPairs })
	add("zeros as one", func(c *setting.Class) { c.Zeros = trace.AsOne })
	return all
}

// problems are seeded, of every kind and length; some are full of zeros.
func problems(seed uint64) []problem.Problem {
	rng := rand.New(rand.NewPCG(seed, 1))
	some := func(digits int) place.Number {
		n := place.Number(0)
		for i := range digits {
			d := rng.IntN(10)
			if rng.IntN(5) == 0 {
				d = 0
			}
			if i == 0 && digits > 1 {
				d = 1 + rng.IntN(9)
			}
			n = 10*n + place.Number(d)
		}
		return n
	}
	var out []problem.Problem
	for len(out) < problemsOfEach {
		kinds := problem.Kinds()
		kind := kinds[len(out)%len(kinds)]
		p := problem.Of(kind, some(1+rng.IntN(4)), place.Number(2+rng.IntN(8)))
		switch kind {
		case problem.Sum:
			p.Numbers = nil
			for range 2 + rng.IntN(5) {
				p.Numbers = append(p.Numbers, some(1+rng.IntN(5)))
			}
		case problem.Difference:
			p.Numbers[1] = some(1 + rng.IntN(4))
			slices.SortFunc(p.Numbers, func(a, b place.Number) int { return int(b - a) })
		case problem.Grouping:
			p.Numbers[0] %= 120
		}
		if p.Valid() == nil {
			out = append(out, p)
		}
	}
	return out
}

// numberWords are masked like figures.
var numberWords = regexp.MustCompile(`(?i)\b(?:(?:no|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|thirteen|fourteen|fifteen|sixteen|seventeen|eighteen|nineteen|twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety|tens?-(?:one|two|three|four|five|six|seven|eight|nine))\b[- ]?)+|\d[\d,\x{00a0}]*\b`)

// placeWords are masked alike, so that a pattern stands once for all places.
var placeWords = regexp.MustCompile(`(?i)\b(?:hundred-thousand|ten-thousand|thousand|hundred|one|ten|unit|bead|bar|square|cube|small cube|stick|flat|big cube|dot|line)s?\b`)

// manyCounts are counts of several places in a row.
var manyCounts = regexp.MustCompile(`# @(?:(?:,| and| plus) # @)+`)

var lists = regexp.MustCompile(`#(?:, #|; #)+ and #`)

func masked(text string) string {
	text = numberWords.ReplaceAllStringFunc(text, func(found string) string {
		if strings.HasSuffix(found, " ") {
			return "# "
		}
		return "#"
	})
	text = strings.ReplaceAll(placeWords.ReplaceAllString(text, "@"), "# # ", "# ")
	text = manyCounts.ReplaceAllString(text, "# @")
	return lists.ReplaceAllString(text, "#, # and #")
}

func printAll(seed uint64) error {
	seen := map[string]bool{}
	drawn := problems(seed)
	for _, v := range variants() {
		fmt.Printf("\n%s\n", strings.ToUpper(v.name))
		examples := map[string]string{}
		for _, p := range drawn {
			t, err := swap.By(v.class.Method(), p)
			if err != nil {
				return fmt.Errorf("%v: %w", p, err)
			}
			for _, said := range sentences(v, t) {
				pattern := masked(said)
				if !seen[pattern] {
					seen[pattern] = true
					examples[pattern] = said
				}
			}
		}
		for _, said := range alone(v) {
			if pattern := masked(said); !seen[pattern] {
				seen[pattern] = true
				examples[pattern] = said
			}
		}
		patterns := make([]string, 0, len(examples))
		for pattern := range examples {
			patterns = append(patterns, pattern)
		}
		slices.Sort(patterns)
		for _, pattern := range patterns {
			fmt.Printf("  %s\n      %s\n", pattern, examples[pattern])
		}
	}
	return nil
}

// sentences is all that is said of a worked problem: each step with its button and its
// question, and what a column did, as the book and the record say it.
func sentences(v variant, t swap.Trace) []string {
	w := v.class.Words()
	w.Drawn = v.drawn
	kind := material.Beads
	if v.drawn {
		kind = material.Drawings
	}
	out := []string{w.Task(t.Problem.Task()) + " = " + t.Problem.Result(), w.SwapsOf(t), say.Trays(t.Problem)}
	for i, line := range w.Trace(t) {
		out = append(out, "["+line.Do+"]", line.String())
		if ask := w.Ask(t, t.Steps[i]); ask != "" {
			out = append(out, ask)
		}
	}
	for _, c := range t.Columns {
		out = append(out, w.Caused(t.Problem.Kind, c), w.Worked(t.Problem, c))
	}
	if l, err := lesson.New(lesson.Items("", t.Problem), kind, []string{"a", "b", "c"}); err == nil {
		if view, err := l.Open(w, t.Method); err == nil {
			out = append(out, view.Roles...)
		}
	}
	return slices.DeleteFunc(out, func(s string) bool { return s == "" })
}

// some is how many numbers of a stage are looked at: all, where they are few.
const some = 4_000

// alone is all that is said of numbers that are asked alone, shown and answered in every
// way.
func alone(v variant) []string {
	w := v.class.Words()
	var out []string
	for _, id := range number.Stages() {
		whole, err := number.Whole(id)
		if err != nil {
			continue
		}
		for _, a := range whole.Space().Draw(some, 1, nil) {
			t, err := number.Solve(a, v.class.Method())
			if err != nil {
				continue
			}
			lines, asks := w.Lines(t)
			out = append(out, w.Question(a))
			for i, line := range lines {
				out = append(out, "["+line.Do+"]", line.String(), asks[i])
			}
		}
	}
	return slices.DeleteFunc(out, func(s string) bool { return s == "" })
}
