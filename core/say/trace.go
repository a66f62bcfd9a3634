package say

import (
	"fmt"
	"slices"
	"strings"

	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/swap"
	"vineswap/core/task"
	"vineswap/core/trace"
)

// Span is a stretch of a sentence. Strong spans are counts of a place and are
// shown in its hue.
type Span struct {
	Text   string
	Strong bool
	Place  place.Place // for strong spans
}

// Line is what belongs to one step: the words on the button that makes it, and
// what is said once it is made.
type Line struct {
	Do   string
	Says []Span
}

// String returns the sentence in plain text.
func (l Line) String() string {
	var b strings.Builder
	for _, s := range l.Says {
		b.WriteString(s.Text)
	}
	return b.String()
}

func plain(format string, args ...any) Span { return Span{Text: fmt.Sprintf(format, args...)} }

// strongDigit is a digit that is to be seen, by kind or by its face value.
func (w Words) strongDigit(n int, p place.Place, first bool) Span {
	span := w.strong(n, p, first)
	if span.Text = w.digit(n, p); first {
		span.Text = capital(span.Text)
	}
	return span
}

// strong is a count of a place that is to be seen.
func (w Words) strong(n int, p place.Place, first bool) Span {
	text := w.Count(n, p)
	if first {
		text = capital(text)
	}
	return Span{Text: text, Strong: true, Place: p}
}

// Trace returns a line for each step of a trace.
func (w Words) Trace(t swap.Trace) []Line {
	lines := make([]Line, len(t.Steps))
	for i, s := range t.Steps {
		lines[i] = w.line(t, s)
	}
	return lines
}

func (w Words) line(t swap.Trace, s trace.Step) Line {
	switch {
	case s.Kind == swap.Estimate:
		return Line{"Estimate", []Span{plain("%s Say it, write it down, lock it.", about[t.Problem.Kind])}}
	case s.Kind == swap.Sentence:
		return Line{"Put it in a sentence", []Span{plain("“%s” Say what was counted.", w.sentence(t))}}
	case s.At.Phase == trace.Checking:
		return w.checkLine(t, s)
	}
	switch t.Problem.Kind {
	case problem.Difference:
		return w.takingLine(t, s)
	case problem.Sharing, problem.Grouping:
		return w.sharingLine(t, s)
	}
	return w.joiningLine(t, s, t.Problem.Addends())
}

// joiningLine is what belongs to a step of joining, equal trays too.
func (w Words) joiningLine(t swap.Trace, s trace.Step, addends []place.Number) Line {
	switch s.Kind {
	case swap.SetOut:
		if w.Drawn {
			return Line{"Take a sheet", []Span{plain("Room for %s numbers, one below the other.", place.Number(len(addends)).Words(false))}}
		}
		return Line{"Lay out", []Span{plain("%s trays: one for each number and one for the total.", capital(place.Number(len(addends)+1).Words(false)))}}
	case swap.Build:
		n := addends[s.Tray-1]
		return Line{w.build(n), w.built(n)}
	case swap.Label:
		return w.labelled(addends[s.Tray-1])
	case swap.Join:
		if w.Drawn {
			return Line{"Draw all together", []Span{plain("Everything is drawn together: %s.", w.withTheirKind(t))}}
		}
		return Line{"Push together", []Span{plain("Everything is pushed together: %s.", w.withTheirKind(t))}}
	case swap.CountUp:
		return Line{"Count the " + w.pieces(s.At.Place), w.counted(t, s)}
	case swap.Stop:
		return w.stopped(t, s)
	case swap.MakeSwap:
		return w.swapped(s)
	case swap.Write:
		return w.written(t, s)
	case swap.Slide:
		return Line{"Slide the cards together", []Span{w.slid(s.Cards, t.Answer)}}
	case swap.ReadOut:
		return Line{"Read the number", []Span{plain("%s.", capital(w.Number(t.Answer)))}}
	}
	if t.Problem.Kind == problem.Trays {
		return Line{"Say it back", []Span{plain("%s %s of %s were joined. Together that is %s.", capital(place.Number(len(addends)).Words(false)), w.laidOrDrawn("trays", "groups"), w.Numeral(addends[0]), w.Numeral(t.Answer))}}
	}
	return Line{"Say it back", []Span{plain("%s were joined. Together they are %s.", w.numbers(addends), w.Numeral(t.Answer))}}
}

// laidOrDrawn is what is done with pieces, or with a pencil.
func (w Words) laidOrDrawn(laid, drawn string) string {
	if w.Drawn {
		return drawn
	}
	return laid
}

// build is the step that builds or draws a number.
func (w Words) build(n place.Number) string {
	return fmt.Sprintf("%s %s", w.laidOrDrawn("Build", "Draw"), w.Numeral(n))
}

// built says a number's pieces by kind, empty places too: zero is shown.
func (w Words) built(n place.Number) []Span {
	var parts []string
	for p := n.Top(); p >= place.Ones; p-- {
		parts = append(parts, w.digit(n.Digit(p), p))
	}
	return []Span{plain("%s: %s.", w.Numeral(n), list(parts))}
}

func (w Words) labelled(n place.Number) Line {
	const do = "Label the tray"
	cards := w.numerals(n.Expanded())
	switch len(cards) {
	case 0:
		return Line{do, []Span{plain("Nothing lies here, so no card is needed.")}}
	case 1:
		return Line{do, []Span{plain("The small card %s.", cards[0])}}
	}
	return Line{do, []Span{plain("Small cards: %s. Laid together they read %s.", w.numbers(n.Expanded()), w.Numeral(n))}}
}

// withTheirKind says how the piles are pushed together: each kind with its own.
func (w Words) withTheirKind(t swap.Trace) string {
	var kinds []string
	for p := range place.HighestOf(t.Problem.Addends()) + 1 {
		name := w.pieces(p)
		kinds = append(kinds, name+" with "+name)
	}
	return list(kinds)
}

// counted says what lies in a pile: each number's digit, then what came up.
func (w Words) counted(t swap.Trace, s trace.Step) []Span {
	c := t.Columns[s.At.Place]
	spans := []Span{plain("%s", capital(w.reckoned(t, c)))}
	if c.In > 0 {
		spans = w.withWhatCameUp(spans, c)
	}
	switch {
	case c.Swaps && t.Method.When == trace.AfterColumn:
		return append(spans, plain(": %s in all.", w.Count(c.Count, c.Place)))
	case c.Swaps:
		return append(spans, plain(". Count to ten, and stop."))
	case len(c.Digits) == 0:
		return append(spans, plain(". It opens a new place."))
	case c.In == 0 && len(c.Digits) == 1:
		return append(spans, plain("."))
	}
	return append(spans, plain(": %s.", w.Count(c.Count, c.Place)))
}

// reckoned says the digits of a column in the order in which they are added. The
// reason is said where there is a choice: from three digits on.
func (w Words) reckoned(t swap.Trace, c place.Column) string {
	r := c.Reckoning()
	digits := make([]string, len(r.Digits))
	some := 0
	for i, d := range r.Digits {
		digits[i] = w.digit(d, c.Place)
		some += min(d, 1)
	}
	then := digits[r.First:]
	for i := len(digits) - 1; i >= r.First && r.Why != place.AsWritten; i-- {
		if r.Digits[i] == 0 && len(then) > 1 { // nothing is added last, and not said
			then = slices.Delete(then, i-r.First, i-r.First+1)
		}
	}
	if len(then) == 1 && len(digits)-r.First > 1 && r.Digits[len(digits)-1] == 0 && r.Digits[r.First] == 0 {
		then = nil
	}
	first, rest := plus(digits[:r.First]), plus(then)
	switch {
	case t.Problem.Kind == problem.Trays && len(digits) > 0:
		return fmt.Sprintf("%s times %s", place.Number(len(digits)).Words(false), digits[0])
	case r.Why == place.MakeTen && rest == "":
		return fmt.Sprintf("%s make %s", first, w.digit(10, c.Place))
	case r.Why == place.MakeTen:
		return fmt.Sprintf("%s first, because they make %s, then %s", first, w.digit(10, c.Place), rest)
	case r.Why == place.Doubles:
		return fmt.Sprintf("%s first, because they are a double, then %s", first, rest)
	case r.Why == place.LargestFirst:
		return "the largest first: " + rest
	case some > 2:
		return "as they are written, the largest first: " + rest
	}
	return rest
}

func (w Words) withWhatCameUp(spans []Span, c place.Column) []Span {
	if len(c.Digits) == 0 {
		return []Span{w.strongDigit(c.In, c.Place, true), plain(" came up")}
	}
	if w.Swap == Carry && c.In > 1 {
		return append(spans, plain(", and a carry of "), w.strongDigit(c.In, c.Place, false))
	}
	return append(spans, plain(", and "), w.strongDigit(c.In, c.Place, false), plain(" that came up"))
}

func (w Words) stopped(t swap.Trace, s trace.Step) Line {
	p := s.At.Place
	next, _ := p.Next()
	stop := ". Stop."
	if t.Method.When == trace.AfterColumn { // the pile is counted to its end
		stop = "."
	}
	return Line{
		fmt.Sprintf("%s ten %s", w.laidOrDrawn("Gather", "Ring"), w.pieces(p)),
		[]Span{w.strong(10, p, true), plain("%s They are the same as ", stop), w.strong(1, next, false), plain(".")},
	}
}

func (w Words) swapped(s trace.Step) Line {
	p := s.At.Place
	next, _ := p.Next()
	return Line{
		fmt.Sprintf("%s one %s", capital(w.forms().do), w.piece(next)),
		[]Span{w.strong(10, p, true), plain(" %s ", w.forms().they), w.strong(1, next, false), plain(". It joins the %s.", w.pieces(next))},
	}
}

func (w Words) written(t swap.Trace, s trace.Step) Line {
	p := s.At.Place
	if s.Count == 0 {
		if !t.Columns[p].Swaps {
			return Line{"Write 0", []Span{plain("There are %s here, so no card is laid and 0 is written.", w.Count(0, p))}}
		}
		return Line{"Write 0", []Span{plain("No %s stay, so no card is laid and 0 is written.", w.pieces(p))}}
	}
	card := s.Cards[0]
	verb := "stay"
	if s.Count == 1 {
		verb = "stays"
	}
	if !t.Columns[p].Swaps {
		verb = ""
	}
	return Line{fmt.Sprintf("Lay the card %s", w.Numeral(card)), []Span{plain("%s: the card %s.", capital(w.lies(s.Count, verb, p)), w.Numeral(card))}}
}

// lies says what stays or is left in a place: "two tens stay", or by face value
// "two stay in the tens".
func (w Words) lies(n int, verb string, p place.Place) string {
	if verb != "" {
		verb = " " + verb
	}
	if w.Digits == FaceValue {
		return fmt.Sprintf("%s%s in the %s", w.digit(n, p), verb, w.PlaceMany(p))
	}
	return w.Count(n, p) + verb
}

func (w Words) slid(cards []place.Number, answer place.Number) Span {
	switch len(cards) {
	case 0:
		return plain("Nothing lies here, so 0 is written.")
	case 1:
		return plain("One card alone: it reads %s.", w.Numeral(answer))
	}
	return plain("%s slide together and read %s.", w.numbers(cards), w.Numeral(answer))
}

// caused says what the swap of a column does, by the kind of problem.
var caused = map[task.Kind]func(Words, place.Column) string{problem.Sum: Words.GaveUp, problem.Trays: Words.GaveUp, problem.Difference: Words.Came}

// Caused says what the swap of a column does; nothing where it does not swap.
func (w Words) Caused(kind task.Kind, c place.Column) string {
	if said := caused[kind]; said != nil && c.Swaps {
		return said(w, c)
	}
	return ""
}

// GaveUp says what one column of joining does: "15 ones: ten swap for one ten, 5
// stay."
func (w Words) GaveUp(c place.Column) string {
	next, _ := c.Place.Next()
	tens, ups := "ten", w.Count(1, next)
	if c.Out > 1 {
		tens, ups = place.Number(10*c.Out).Words(false), w.Count(c.Out, next)
	}
	made := ""
	if c.Made {
		made = ", only because of what comes up"
	}
	return fmt.Sprintf("%d %s%s: %s %s %s, %s.", c.Count, w.PlaceMany(c.Place), made, tens, w.forms().they, ups, stay(c.Stays))
}

// numbers lists numbers as in a sentence; those with a comma in them are kept apart
// by semicolons.
func (w Words) numbers(numbers []place.Number) string {
	said := w.numerals(numbers)
	if n := len(said); n > 1 && strings.Contains(strings.Join(said, ""), ",") {
		return strings.Join(said[:n-1], "; ") + " and " + said[n-1]
	}
	return list(said)
}

// plus lists what is added: two with "plus", since "one hundred and eight hundreds"
// can be heard as 108 hundreds.
func plus(said []string) string {
	if len(said) == 2 {
		return said[0] + " plus " + said[1]
	}
	if n := len(said); n > 2 && (strings.HasSuffix(said[n-2], "one hundred") || strings.HasSuffix(said[n-2], "one thousand")) {
		return strings.Join(said[:n-1], ", ") + " plus " + said[n-1]
	}
	return list(said)
}

func (w Words) numerals(numbers []place.Number) []string {
	out := make([]string, len(numbers))
	for i, n := range numbers {
		out[i] = w.Numeral(n)
	}
	return out
}
