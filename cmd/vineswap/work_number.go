package main

import (
	"encoding/json"
	"fmt"
	"io"
	"strings"

	"vineswap/core/number"
	"vineswap/core/place"
	"vineswap/core/say"
	"vineswap/core/swap"
	"vineswap/core/trace"
)

// aNumber tells whether a text is one number alone: digits, with commas between or not, or
// the cards that make it.
func aNumber(text string) bool {
	text = strings.TrimSpace(text)
	return text != "" && strings.Trim(text, "0123456789,") == "" || strings.HasPrefix(text, "cards")
}

// number lays one number out alone: piece by piece of each place, then its cards.
func (f workFlags) number(out io.Writer, text string) error {
	a, err := number.Parse(text)
	n := a.Number
	if err != nil {
		return usageError{fmt.Errorf("%q: %w", text, err)}
	}
	if f.notation != "" && f.notation != "expanded" {
		return usageError{fmt.Errorf("a number alone is not written that way: %q; it can be expanded", f.notation)}
	}
	method, words, err := f.ways()
	if err != nil {
		return err
	}
	tr, err := number.Built(n, method)
	if err != nil {
		return err
	}
	lines, _ := words.Lines(tr)
	if f.json {
		return json.NewEncoder(out).Encode(numberOut(tr, n, lines))
	}
	var b strings.Builder
	fmt.Fprintf(&b, "%s, %s\n\n", words.Numeral(n), words.Number(n))
	for i, line := range lines {
		fmt.Fprintf(&b, "  %s\n", line)
		if len(tr.Steps[i].Moves) > 0 {
			fmt.Fprintf(&b, "      %s\n", lying(tr.Steps[i].Zones))
		}
	}
	fmt.Fprintf(&b, "\n  %s\n", strings.Join(equated(partsAt(tr, len(tr.Steps)-1, n)), "\n  "))
	_, err = io.WriteString(out, b.String())
	return err
}

func numberOut(t trace.Trace, n place.Number, lines []say.Line) worked {
	res := worked{Operation: "number", Numbers: []place.Number{n}, Answer: n, Swaps: []swap.Swap{}, Written: equated(partsAt(t, len(t.Steps)-1, n))}
	for i, s := range t.Steps {
		res.Steps = append(res.Steps, workedStep{s.Kind, s.At.String(), lines[i].String(), s.Zones, []writtenMark{}, partsAt(t, i, n)})
	}
	return res
}

// equated are lines that are worth the same.
func equated(lines []string) []string {
	for i := range lines[1:] {
		lines[i+1] = "= " + lines[i+1]
	}
	return lines
}

// partsAt is the expanded form as far as it is written after a step: the cards apart, then
// slid together.
func partsAt(t trace.Trace, step int, n place.Number) []string {
	written := []string{}
	for _, s := range t.Steps[:step+1] {
		switch s.Kind {
		case number.Label:
			parts := make([]string, len(s.Cards))
			for i, card := range s.Cards {
				parts[i] = card.String()
			}
			if len(parts) == 0 {
				parts = append(parts, "0")
			}
			written = append(written, strings.Join(parts, " + "))
		case number.Slide:
			written = append(written, n.String())
		}
	}
	return written
}
