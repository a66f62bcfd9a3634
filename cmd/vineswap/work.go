package main

import (
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"strings"

	"github.com/spf13/cobra"
	"github.com/spf13/pflag"

	"vineswap/core/paper"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/say"
	"vineswap/core/swap"
	"vineswap/core/trace"
)

// workedStep and worked are the JSON that `work --json` promises to scripts.
type workedStep struct {
	Kind     trace.StepKind `json:"kind"`
	At       string         `json:"at"`
	Say      string         `json:"say"`
	Zones    trace.Zones    `json:"zones"`
	Column   []writtenMark  `json:"column"`
	Expanded []string       `json:"expanded"`
}

// writtenMark is a digit of the written column: rows count from 1, the first
// number; 0 and less lie over it, and the two after the last number are the row
// under it and the result.
type writtenMark struct {
	Row    int         `json:"row"`
	Place  place.Place `json:"place"`
	Digit  int         `json:"digit"`
	Side   paper.Side  `json:"side,omitempty"`
	Struck bool        `json:"struck,omitempty"`
}

type worked struct {
	Operation string         `json:"operation"`
	Numbers   []place.Number `json:"numbers"`
	Answer    place.Number   `json:"answer"`
	Remainder *place.Number  `json:"remainder,omitempty"` // of sharing and grouping
	Swaps     []swap.Swap    `json:"swaps"`
	Written   []string       `json:"written"` // the finished column, or the expanded form
	Steps     []workedStep   `json:"steps"`
}

// workFlags are the ways of working and the words, as they are typed.
type workFlags struct {
	json, and                               bool
	order, zeros, when, notation            string
	words, places, digits, teens, separator string
}

func workCommand() *cobra.Command {
	var f workFlags
	cmd := &cobra.Command{
		Use:   `work "47+25"`,
		Short: "Work a problem step by step with pieces: 47+25, 62-38, 97/4, 78:6, 213*3; or lay out one number: 153",
		// A problem such as -3+4 looks like flags: they are told apart by hand, so
		// that what is wrong with the number can be said.
		DisableFlagParsing: true,
		RunE: func(cmd *cobra.Command, args []string) error {
			problems, err := withoutFlags(cmd.Flags(), args)
			if errors.Is(err, pflag.ErrHelp) {
				return cmd.Help()
			}
			if err != nil {
				return usageError{err}
			}
			if err := exactly(1, `work takes one problem or number, such as "47+25", "62-38" or "153"`)(cmd, problems); err != nil {
				return err
			}
			return f.work(cmd.OutOrStdout(), problems[0])
		},
	}
	cmd.Flags().BoolVar(&f.json, "json", false, "print the whole trace as JSON")
	cmd.Flags().BoolVar(&f.and, "and", false, "say numbers with “and”")
	for _, flag := range []struct {
		to          *string
		name, first string
		says        string
	}{
		{&f.order, "order", string(trace.AsNeeded), "when taking away swaps: as-needed or swaps-first"},
		{&f.zeros, "zeros", string(trace.PlaceByPlace), "how it goes over zeros: place-by-place or as-one"},
		{&f.when, "when", string(trace.AtTen), "when joining swaps: at-ten or after-column"},
		{&f.notation, "notation", "", "how the column is written: above, under or beside (what comes up), cross-out or in-front (taking away), expanded"},
		{&f.words, "words", string(say.Swap), "the word for the swap: swap, trade, exchange, regroup, carry or rename"},
		{&f.places, "places", string(say.Ones), "the words for places: ones, units, beads or blocks"},
		{&f.digits, "digits", string(say.ByKind), "how digits are said: by-kind or face-value"},
		{&f.teens, "teens", string(say.PlainTeens), "how numbers after ten are said: plain or ten-and"},
		{&f.separator, "separator", string(say.NoSeparator), "what stands before the hundreds of a number: none, comma or space"},
	} {
		cmd.Flags().StringVar(flag.to, flag.name, flag.first, flag.says)
	}
	return cmd
}

// withoutFlags reads the flags among the arguments and returns the others. One
// dash begins no flag but -h.
func withoutFlags(flags *pflag.FlagSet, args []string) ([]string, error) {
	var rest, typed []string
	for i := 0; i < len(args); i++ {
		arg := args[i]
		name, _, whole := strings.Cut(strings.TrimPrefix(arg, "--"), "=")
		switch {
		case arg == "-h":
			return nil, pflag.ErrHelp
		case !strings.HasPrefix(arg, "--"):
			rest = append(rest, arg)
		default:
			typed = append(typed, arg)
			if f := flags.Lookup(name); f != nil && f.NoOptDefVal == "" && !whole && i+1 < len(args) {
				i++
				typed = append(typed, args[i])
			}
		}
	}
	return rest, flags.Parse(typed)
}

func (f workFlags) work(out io.Writer, text string) error {
	if aNumber(text) {
		return f.number(out, text)
	}
	problem, err := problem.Parse(text)
	if err != nil {
		return usageError{err}
	}
	method, words, err := f.ways()
	if err != nil {
		return err
	}
	notation, expanded, err := paper.ParseNotation(f.notation, problem.Kind)
	if err != nil {
		return usageError{err}
	}
	tr, err := swap.By(method, problem)
	if err != nil {
		return err
	}
	written := writtenOut(tr, notation, expanded)
	if f.json {
		return json.NewEncoder(out).Encode(workedOut(tr, words, notation, written))
	}
	return printWork(out, tr, words, written)
}

// ways are the way of working and the words that were typed.
func (f workFlags) ways() (trace.Method, say.Words, error) {
	method, err := f.method()
	if err != nil {
		return method, say.Words{}, usageError{err}
	}
	words, err := f.speech()
	if err != nil {
		return method, words, usageError{err}
	}
	return method, words, nil
}

// method is the way of working that was typed.
func (f workFlags) method() (m trace.Method, err error) {
	if m.When, err = trace.ParseWhen(f.when); err != nil {
		return m, fmt.Errorf("--when: %w", err)
	}
	if m.Order, err = trace.ParseOrder(f.order); err != nil {
		return m, fmt.Errorf("--order: %w", err)
	}
	if m.Zeros, err = trace.ParseZeros(f.zeros); err != nil {
		return m, fmt.Errorf("--zeros: %w", err)
	}
	return m, nil
}

// speech is how things are said.
func (f workFlags) speech() (w say.Words, err error) {
	w.And = f.and
	if w.Swap, err = say.ParseSwapWord(f.words); err != nil {
		return w, fmt.Errorf("--words: %w", err)
	}
	if w.Places, err = say.ParsePlaceWord(f.places); err != nil {
		return w, fmt.Errorf("--places: %w", err)
	}
	if w.Digits, err = say.ParseSide(f.digits, say.DigitWords()); err != nil {
		return w, fmt.Errorf("--digits: %w", err)
	}
	if w.Teens, err = say.ParseSide(f.teens, say.TeenWords()); err != nil {
		return w, fmt.Errorf("--teens: %w", err)
	}
	if w.Comma, err = say.ParseSide(f.separator, say.Separators()); err != nil {
		return w, fmt.Errorf("--separator: %w", err)
	}
	return w, nil
}

// writtenOut is the finished column in a notation, or the expanded form, line by
// line.
func writtenOut(t swap.Trace, n paper.Notation, expanded bool) []string {
	if !expanded {
		return strings.Split(strings.TrimRight(n.Sheet(t).Text(), "\n"), "\n")
	}
	lines := paper.ExpandedAt(t, len(t.Steps)-1).Lines()
	for i := range lines[1:] {
		lines[i+1] = "= " + lines[i+1]
	}
	return lines
}

func workedOut(t swap.Trace, w say.Words, n paper.Notation, written []string) worked {
	res := worked{Operation: problem.Operation(t.Problem.Kind), Numbers: t.Problem.Numbers, Answer: t.Answer, Swaps: t.Swaps, Written: written}
	if res.Swaps == nil {
		res.Swaps = []swap.Swap{}
	}
	if t.Problem.Rests() {
		res.Remainder = &t.Remainder
	}
	sheets := n.Sheets(t)
	for i, line := range w.Trace(t) {
		s := t.Steps[i]
		res.Steps = append(res.Steps, workedStep{s.Kind, s.At.String(), line.String(), s.Zones, marksOf(sheets[i]), paper.ExpandedAt(t, i).Lines()})
	}
	return res
}

func marksOf(s paper.Sheet) []writtenMark {
	marks := make([]writtenMark, len(s.Marks))
	for i, m := range s.Marks {
		marks[i] = writtenMark(m)
	}
	return marks
}

// printWork is the readable account: each step with what is said and what lies
// where, then the written column.
func printWork(out io.Writer, t swap.Trace, w say.Words, written []string) error {
	var b strings.Builder
	fmt.Fprintf(&b, "%s = %s, %s\n\n", strings.ReplaceAll(w.Sum(t.Problem), "\u00a0", " "), t.Problem.Result(), w.SwapsOf(t))
	for i, line := range w.Trace(t) {
		fmt.Fprintf(&b, "  %s\n", line)
		if len(t.Steps[i].Moves) > 0 {
			fmt.Fprintf(&b, "      %s\n", lying(t.Steps[i].Zones))
		}
	}
	b.WriteString("\n")
	for _, line := range written {
		fmt.Fprintf(&b, "  %s\n", line)
	}
	_, err := io.WriteString(out, b.String())
	return err
}

// lying writes the zones on one line: "joined: tens 7, ones 2".
func lying(zones trace.Zones) string {
	var piles []string
	for _, pile := range zones {
		var counts []string
		for p := place.Millions; p >= place.Ones; p-- {
			if n := pile.Pieces[p]; n > 0 {
				counts = append(counts, fmt.Sprintf("%s %d", p, n))
			}
		}
		piles = append(piles, fmt.Sprintf("%s: %s", pile.Zone, strings.Join(counts, ", ")))
	}
	return strings.Join(piles, "; ")
}
