// Package problem has the kinds of task that are worked with numbers: sums,
// differences, sharing, grouping and equal trays.
package problem

import (
	"encoding/json"
	"errors"
	"fmt"
	"slices"
	"strings"
	"unicode"
	"unicode/utf8"

	"vineswap/core/place"
	"vineswap/core/slip"
	"vineswap/core/task"
)

// The kinds of problem.
const (
	Sum        task.Kind = "sum"
	Difference task.Kind = "difference" // the larger number first
	Sharing    task.Kind = "share"      // the number, then the sharers
	Grouping   task.Kind = "group"      // the number, then the size of a group
	Trays      task.Kind = "trays"      // the number of each tray, then how many trays
)

// Kinds returns the kinds of problem.
func Kinds() []task.Kind { return []task.Kind{Sum, Difference, Sharing, Grouping, Trays} }

// rule is what a kind of problem knows of itself.
type rule struct {
	operation string // its name in the command line and its output
	signs     string // that it is typed with, the plain one first
	written   string // the sign that is written
	answer    func(numbers []place.Number) place.Number
	columns   func(numbers []place.Number) []place.Column
	rests     bool // something can be left over
}

// added are the numbers that are joined: those of a sum, and one for each tray.
func added(numbers []place.Number) []place.Number { return numbers }

func onTrays(numbers []place.Number) []place.Number {
	return slices.Repeat(numbers[:1], int(numbers[1]))
}

func sumOf(of func([]place.Number) []place.Number) func([]place.Number) place.Number {
	return func(numbers []place.Number) (sum place.Number) {
		for _, n := range of(numbers) {
			sum += n
		}
		return sum
	}
}

func shared(numbers []place.Number) place.Number { return numbers[0] / numbers[1] }

var rules = map[task.Kind]rule{
	Sum: {
		operation: "add", signs: "+", written: "+", answer: sumOf(added),
		columns: place.Columns,
	},
	Difference: {
		operation: "subtract", signs: "-−–—‐‑", written: "−",
		answer:  func(n []place.Number) place.Number { return n[0] - n[1] },
		columns: func(n []place.Number) []place.Column { return place.TakingColumns(n[0], n[1]) },
	},
	Sharing: {
		operation: "share", signs: "/÷", written: "÷", answer: shared, rests: true,
		columns: func(n []place.Number) []place.Column { return place.SharingColumns(n[0], int(n[1])) },
	},
	Grouping: {
		operation: "group", signs: ":", written: "÷", answer: shared, rests: true,
		columns: func([]place.Number) []place.Column { return nil },
	},
	Trays: {
		operation: "multiply", signs: "*×xX·", written: "×", answer: sumOf(onTrays),
		columns: func(n []place.Number) []place.Column { return place.Columns(onTrays(n)) },
	},
}

// version is that of the records that are written today. Version 1 had the
// numbers beside the kind.
const version = 2

func init() {
	for _, kind := range Kinds() {
		task.Register(kind, task.Rules{Version: version, Read: func(_ int, data []byte) (task.Data, error) {
			p := Problem{Kind: kind}
			err := json.Unmarshal(data, &p)
			return p, err
		}, Parse: func(text string) (task.Data, error) {
			p, err := Parse(text)
			if err == nil && p.Kind != kind {
				return nil, fmt.Errorf("%w of kind %s: %q", task.ErrForm, kind, text)
			}
			return p, err
		}})
	}
}

// Operation is the name of a kind of problem in the command line and its output;
// empty for a kind of other tasks.
func Operation(kind task.Kind) string { return rules[kind].operation }

// KindOf finds the kind of an operation by its name; empty where there is none.
func KindOf(operation string) task.Kind {
	for _, kind := range Kinds() {
		if rules[kind].operation == operation {
			return kind
		}
	}
	return ""
}

// Sign is what is written between the numbers of a kind of problem.
func Sign(kind task.Kind) string { return rules[kind].written }

// typed is what stands between the numbers of a typed problem.
func typed(kind task.Kind) string {
	sign, _ := utf8.DecodeRuneInString(rules[kind].signs)
	return string(sign)
}

// A sum has this many addends; so many share, make a group or fill equal trays;
// and grouping goes this far.
const (
	FewestAddends = 2
	MostAddends   = 6
	FewestSharers = 2
	MostSharers   = 9
	MostGrouped   = 999
)

// Problem is one thing to work: a kind and a list of numbers in the order in
// which they are written. It is the data of its tasks.
type Problem struct {
	Kind    task.Kind      `json:"-"`
	Numbers []place.Number `json:"numbers"`
}

// Of is the problem of a kind with numbers, not yet held to be valid: of one that Valid
// refuses the answer and the columns panic.
func Of(kind task.Kind, numbers ...place.Number) Problem {
	return Problem{Kind: kind, Numbers: numbers}
}

// SumOf is the problem that joins the numbers.
func SumOf(numbers ...place.Number) Problem { return Of(Sum, numbers...) }

// DifferenceOf is the problem that takes smaller from larger.
func DifferenceOf(larger, smaller place.Number) Problem { return Of(Difference, larger, smaller) }

// From returns the problem that a task is; false for a task of another kind.
func From(t task.Task) (p Problem, ok bool) {
	p, ok = t.Data.(Problem)
	return p, ok
}

// Task is the problem as a task.
func (p Problem) Task() task.Task { return task.Task{Kind: p.Kind, Data: p} }

// Key tells problems apart; it keeps the order of the numbers, so 25+47 is not
// 47+25.
func (p Problem) Key() string { return p.Task().Key() }

// String writes the problem as it is typed: 47+25, 62-38.
func (p Problem) String() string {
	written := make([]string, len(p.Numbers))
	for i, n := range p.Numbers {
		written[i] = n.String()
	}
	return strings.Join(written, typed(p.Kind))
}

// Written are the numbers in the order in which they stand in a line: of equal groups
// how many there are comes first, "4 × 23".
func (p Problem) Written() []place.Number {
	if p.Kind == Trays && len(p.Numbers) == 2 {
		return []place.Number{p.Numbers[1], p.Numbers[0]}
	}
	return p.Numbers
}

// Addends are the numbers that are joined: those of a sum, and one for each of
// equal trays. Other kinds join nothing.
func (p Problem) Addends() []place.Number {
	switch p.Kind {
	case Sum:
		return p.Numbers
	case Trays:
		return onTrays(p.Numbers)
	}
	return nil
}

// Built are the numbers that are built with pieces: the addends, else the larger number alone.
func (p Problem) Built() []place.Number {
	if built := p.Addends(); built != nil {
		return built
	}
	return p.Numbers[:1]
}

// Columns are the columns of the written problem in the order in which they are
// worked; grouping has none.
func (p Problem) Columns() []place.Column { return rules[p.Kind].columns(p.Numbers) }

// Answer is the number that comes out of a valid problem: of sharing what one
// has, of grouping how many groups there are.
func (p Problem) Answer() place.Number { return rules[p.Kind].answer(p.Numbers) }

// Rests tells whether something can be left over.
func (p Problem) Rests() bool { return rules[p.Kind].rests }

// Rest is what is left over of sharing and grouping; other kinds leave nothing.
func (p Problem) Rest() place.Number {
	if p.Rests() {
		return p.Numbers[0] % p.Numbers[1]
	}
	return 0
}

// Result writes what comes out as an answer is written: "72", "24 r 1".
func (p Problem) Result() string { return p.Write(p.Right()) }

// Right is what comes out and, where something is left over, the remainder.
func (p Problem) Right() task.Answer {
	return counted(p.Answer(), p.Rest())
}

// Write writes an answer: "72", "24 r 1".
func (p Problem) Write(a task.Answer) string {
	written := make([]string, len(a))
	for i, n := range a {
		written[i] = n.String()
	}
	return strings.Join(written, " r ")
}

// Read reads the number in an answer, and a remainder where one is said: "24 r 1",
// "24 remainder 1", and "24 rest 1" as it was written before. Zeros before a number and
// spaces around it do not matter. A remainder of 0 is none.
func (p Problem) Read(given string) (task.Answer, bool) {
	number, rest, said := strings.Cut(strings.ToLower(given), "r")
	n, read := task.ReadNumber(number)
	if !read || !said {
		return task.Answer{n}, read
	}
	for _, word := range []string{"emainder", "est"} {
		rest = strings.TrimPrefix(rest, word)
	}
	left, read := task.ReadNumber(rest)
	if left == 0 {
		return task.Answer{n}, read
	}
	return task.Answer{n, left}, read
}

// Swap is the skill of swapping in a place: up from it in joining, down into it
// in taking away, down from it in sharing.
func Swap(p place.Place) task.Skill { return task.Skill("swap/" + p.String()) }

// Made is the skill of a swap that only the swap below it causes.
func Made(p place.Place) task.Skill { return task.Skill("made/" + p.String()) }

// Shows lists the swaps that the problem causes, from the ones up; those made by
// another swap twice, once for themselves.
func (p Problem) Shows() []task.Skill {
	return p.shows(p.Columns(), func(int) bool { return true })
}

// shows lists the swaps of some columns.
func (p Problem) shows(columns []place.Column, of func(i int) bool) []task.Skill {
	skills := []task.Skill{}
	for i, c := range columns {
		if !of(i) {
			continue
		}
		if c.Swaps {
			skills = append(skills, Swap(c.Place))
		}
		if c.Made {
			skills = append(skills, Made(c.Place))
		}
	}
	return skills
}

// InColumns are the operation in which the problem is worked in columns and its numbers
// there; false for sharing and grouping.
func (p Problem) InColumns() (slip.Operation, []place.Number, bool) {
	if p.Kind == Difference {
		return slip.Take, p.Numbers, true
	}
	added := p.Addends()
	return slip.Add, added, added != nil
}

// Wrong lists what the slips give that apply, common ones first; making groups has none.
func (p Problem) Wrong() []task.Wrong {
	var wrong []task.Wrong
	operation, numbers, inColumns := p.InColumns()
	if inColumns {
		for _, id := range slip.Of(operation) {
			if answer, applies := slip.Answer(operation, id, numbers); applies {
				wrong = append(wrong, task.Wrong{Slip: id, Answer: task.Answer{place.Number(answer)}})
			}
		}
	}
	if p.Kind == Sharing {
		if each, rest, applies := slip.LeftOver(p.Numbers[0], p.Numbers[1]); applies {
			wrong = append(wrong, task.Wrong{Slip: slip.LeftoverDropped, Answer: counted(each, rest)})
		}
	}
	return wrong
}

// counted is an answer with what is left over, where anything is.
func counted(n, rest place.Number) task.Answer {
	if rest > 0 {
		return task.Answer{n, rest}
	}
	return task.Answer{n}
}

// Largest is the largest number that is joined, taken from, shared or laid on a
// tray. How many share is no such number.
func (p Problem) Largest() place.Number {
	if p.Kind == Sum {
		return slices.Max(p.Numbers)
	}
	return p.Numbers[0]
}

// Reach is the largest number that lies on the mat: the result of joining, or the
// number worked from.
func (p Problem) Reach() place.Number { return max(p.Answer(), p.Numbers[0]) }

// Valid tells why the problem cannot be worked; nil when it can.
func (p Problem) Valid() error {
	if Operation(p.Kind) == "" {
		return fmt.Errorf("%w: %q", ErrKind, p.Kind)
	}
	for _, n := range p.Numbers {
		if n < 0 || n.Length() > place.MostDigits {
			return fmt.Errorf("%w: %d", place.ErrTooLong, n)
		}
	}
	n := len(p.Numbers)
	switch {
	case n < FewestAddends || p.Kind == Sum && n > MostAddends:
		return fmt.Errorf("%w: %d given", ErrAddends, n)
	case p.Kind != Sum && n != 2:
		return fmt.Errorf("%w: %d given", ErrTwo, n)
	case p.Kind == Difference && p.Numbers[0] < p.Numbers[1]:
		return fmt.Errorf("%w: %d is less than %d", ErrLarger, p.Numbers[0], p.Numbers[1])
	case p.Kind != Sum && p.Kind != Difference && !isSharers(p.Numbers[1]):
		return fmt.Errorf("%w, not %d", ErrSharers, p.Numbers[1])
	case p.Kind == Grouping && p.Numbers[0] > MostGrouped:
		return fmt.Errorf("%w, not %d", ErrGrouped, p.Numbers[0])
	}
	return nil
}

// Errors about a problem as it was given.
var (
	ErrKind      = fmt.Errorf("%w: it is not a problem with numbers", task.ErrKind)
	ErrAddends   = fmt.Errorf("a sum has %d to %d numbers", FewestAddends, MostAddends)
	ErrOperation = errors.New("only one operation at a time: + - / : or *")
	ErrTwo       = errors.New("this takes two numbers")
	ErrLarger    = errors.New("the larger number must come first")
	ErrSharers   = fmt.Errorf("the number of shares, of groups or in a group must be %d to %d", FewestSharers, MostSharers)
	ErrGrouped   = fmt.Errorf("making groups goes up to %d", MostGrouped)
)

// ExpressionError says where in a typed expression the mistake stands.
type ExpressionError struct {
	Text string // the expression as typed
	At   int    // byte offset of the part that is wrong
	Err  error
}

func (e *ExpressionError) Error() string {
	if e.Text == "" {
		return "nothing is written: write a problem such as 47+25"
	}
	return fmt.Sprintf("%q, at character %d: %v", e.Text, len([]rune(e.Text[:e.At]))+1, e.Err)
}

func (e *ExpressionError) Unwrap() error { return e.Err }

// Parse reads a typed problem such as "47 + 25", "62 – 38", "97/4", "78:6", "213*3"
// or "3×213": numbers of at most six digits with one operation, spaces allowed around
// them. / and ÷ share, : makes groups. Of equal groups × and x have their number
// first and * has it last, unless only the other one can be it. An error is an *ExpressionError that wraps one of the
// errors above or one of place.ParseNumber.
func Parse(text string) (Problem, error) {
	kind, at, err := kindIn(text)
	if err != nil {
		return Problem{}, &ExpressionError{text, at, err}
	}
	p := Problem{Kind: kind}
	for start, rest := 0, text; ; {
		end := strings.IndexAny(rest, rules[kind].signs)
		if end < 0 {
			end = len(rest)
		}
		n, offset, err := readNumber(rest[:end])
		if err != nil {
			return Problem{}, &ExpressionError{text, start + offset, err}
		}
		p.Numbers = append(p.Numbers, n)
		if end == len(rest) {
			break
		}
		_, size := utf8.DecodeRuneInString(rest[end:])
		start, rest = start+end+size, rest[end+size:]
	}
	if kind == Trays && len(p.Numbers) == 2 {
		p.Numbers = sizeFirst(p.Numbers, strings.Contains(text, "*"))
	}
	if err := p.Valid(); err != nil {
		return Problem{}, &ExpressionError{text, 0, err}
	}
	return p, nil
}

// sizeFirst puts the number of equal groups after their size.
func sizeFirst(n []place.Number, sizeTyped bool) []place.Number {
	first, second := isSharers(n[0]), isSharers(n[1])
	if first && (!second || !sizeTyped) {
		return []place.Number{n[1], n[0]}
	}
	return n
}

func isSharers(n place.Number) bool { return n >= FewestSharers && n <= MostSharers }

// kindIn tells what a text asks for by its first sign after a number. A second
// kind of sign is an error, at its place.
func kindIn(text string) (kind task.Kind, at int, err error) {
	kind = Sum
	found := false
	seen := false // something other than a space before the sign
	for i, r := range text {
		k, isSign := kindOfSign(r)
		switch {
		case !isSign:
			seen = seen || !unicode.IsSpace(r)
		case !seen && k == Difference: // a sign before the first number
			return Sum, 0, nil
		case found && k != kind:
			return kind, i, ErrOperation
		default:
			kind, found = k, true
		}
	}
	return kind, 0, nil
}

func kindOfSign(r rune) (task.Kind, bool) {
	for _, k := range Kinds() {
		if strings.ContainsRune(rules[k].signs, r) {
			return k, true
		}
	}
	return "", false
}

func readNumber(part string) (n place.Number, offset int, err error) {
	trimmed := strings.TrimSpace(part)
	offset = strings.Index(part, trimmed)
	if strings.IndexAny(trimmed, rules[Difference].signs) == 0 {
		return 0, offset, fmt.Errorf("%w, without a sign before it", place.ErrNotDigits)
	}
	n, err = place.ParseNumber(trimmed)
	return n, offset, err
}
