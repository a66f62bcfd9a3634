package swap

import (
	"errors"
	"fmt"
	"slices"
	"strings"
	"unicode/utf8"

	"vineswap/core/place"
)

// Kind is what a problem asks for.
type Kind string

// The kinds of problem that can be worked.
const (
	Sum        Kind = "sum"
	Difference Kind = "difference" // the larger number first
	Sharing    Kind = "share"      // the number, then the sharers
	Grouping   Kind = "group"      // the number, then the size of a group
	Trays      Kind = "trays"      // the number of each tray, then how many trays
)

// kinds says of each kind its operation's name, the signs that it is typed with,
// the plain one first, and the sign that is written.
var kinds = map[Kind]struct{ operation, signs, written string }{
	Sum: {"add", "+", "+"}, Difference: {"subtract", "-−", "−"}, Sharing: {"share", "/÷", "÷"}, Grouping: {"group", ":", ":"}, Trays: {"multiply", "*×·", "×"},
}

// Operation is the operation's name in data and command output; empty for a kind
// that is not known.
func (k Kind) Operation() string { return kinds[k].operation }

// Sign is what is written between the numbers.
func (k Kind) Sign() string { return kinds[k].written }

// typed is what stands between the numbers of a typed problem.
func (k Kind) typed() string {
	sign, _ := utf8.DecodeRuneInString(kinds[k].signs)
	return string(sign)
}

// Version is the version of the problem's record, written with each one so
// that later kinds can tell older records apart.
const Version = 1

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
// which they are written.
type Problem struct {
	Kind    Kind           `json:"kind"`
	Version int            `json:"version"`
	Numbers []place.Number `json:"numbers"`
}

// SumOf is the problem that joins the numbers.
func SumOf(numbers ...place.Number) Problem {
	return Problem{Kind: Sum, Version: Version, Numbers: numbers}
}

// DifferenceOf is the problem that takes smaller from larger.
func DifferenceOf(larger, smaller place.Number) Problem {
	return Problem{Kind: Difference, Version: Version, Numbers: []place.Number{larger, smaller}}
}

// Of is the problem of an operation by its name, not yet held to be valid; of no
// kind where the name is not known.
func Of(operation string, numbers []place.Number) Problem {
	for kind, of := range kinds {
		if of.operation == operation {
			return Problem{Kind: kind, Version: Version, Numbers: numbers}
		}
	}
	return Problem{Version: Version, Numbers: numbers}
}

// Key tells problems apart; it keeps the order of the numbers, so 25+47 is not
// 47+25.
func (p Problem) Key() string { return string(p.Kind) + ":" + p.String() }

// String writes the problem as it is typed: 47+25, 62-38.
func (p Problem) String() string {
	written := make([]string, len(p.Numbers))
	for i, n := range p.Numbers {
		written[i] = n.String()
	}
	return strings.Join(written, p.Kind.typed())
}

// Addends are the numbers that are joined: those of a sum, and one for each of
// equal trays. Other kinds join nothing.
func (p Problem) Addends() []place.Number {
	switch p.Kind {
	case Sum:
		return p.Numbers
	case Trays:
		return slices.Repeat(p.Numbers[:1], int(p.Numbers[1]))
	}
	return nil
}

// Answer is the number that comes out of a valid problem: of sharing what one
// has, of grouping how many groups there are.
func (p Problem) Answer() place.Number {
	switch p.Kind {
	case Difference:
		return p.Numbers[0] - p.Numbers[1]
	case Sharing, Grouping:
		return p.Numbers[0] / p.Numbers[1]
	}
	var sum place.Number
	for _, n := range p.Addends() {
		sum += n
	}
	return sum
}

// Rest is what is left over of sharing and grouping; other kinds leave nothing.
func (p Problem) Rest() place.Number {
	if p.Kind == Sharing || p.Kind == Grouping {
		return p.Numbers[0] % p.Numbers[1]
	}
	return 0
}

// Result writes what comes out as an answer is written: "72", "24 rest 1".
func (p Problem) Result() string {
	if rest := p.Rest(); rest > 0 {
		return fmt.Sprintf("%d rest %d", p.Answer(), rest)
	}
	return p.Answer().String()
}

// Valid tells why the problem cannot be worked; nil when it can.
func (p Problem) Valid() error {
	if p.Kind.Operation() == "" || p.Version != Version {
		return fmt.Errorf("%w: kind %q, version %d", ErrKind, p.Kind, p.Version)
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
	case (p.Kind == Sharing || p.Kind == Grouping || p.Kind == Trays) && (p.Numbers[1] < FewestSharers || p.Numbers[1] > MostSharers):
		return fmt.Errorf("%w, not %d", ErrSharers, p.Numbers[1])
	case p.Kind == Grouping && p.Numbers[0] > MostGrouped:
		return fmt.Errorf("%w, not %d", ErrGrouped, p.Numbers[0])
	}
	return nil
}

// Errors about a problem as it was given.
var (
	ErrKind      = errors.New("this kind of problem is not known here")
	ErrAddends   = fmt.Errorf("a sum joins %d to %d numbers", FewestAddends, MostAddends)
	ErrOperation = errors.New("one operation at a time is worked: + - / : or *")
	ErrTwo       = errors.New("these are two numbers")
	ErrLarger    = errors.New("the larger number stands first")
	ErrSharers   = fmt.Errorf("sharers, trays and groups are of %d to %d", FewestSharers, MostSharers)
	ErrGrouped   = fmt.Errorf("grouping goes up to %d", MostGrouped)
)

// ExpressionError says where in a typed expression the mistake stands.
type ExpressionError struct {
	Text string // the expression as typed
	At   int    // byte offset of the part that is wrong
	Err  error
}

func (e *ExpressionError) Error() string {
	if e.Text == "" {
		return "nothing is written: a sum looks like 47+25"
	}
	return fmt.Sprintf("%q, at sign %d: %v", e.Text, len([]rune(e.Text[:e.At]))+1, e.Err)
}

func (e *ExpressionError) Unwrap() error { return e.Err }

// Parse reads a typed problem such as "47 + 25", "62 - 38", "97/4", "78:6" or
// "213*3": numbers of at most six digits, joined by one operation, with spaces
// allowed around them. An error is an *ExpressionError that wraps one of the
// errors above or one of place.ParseNumber.
func Parse(text string) (Problem, error) {
	kind, at, err := kindOf(text)
	if err != nil {
		return Problem{}, &ExpressionError{text, at, err}
	}
	p := Problem{Kind: kind, Version: Version}
	for start, rest := 0, text; ; {
		end := strings.IndexAny(rest, kinds[kind].signs)
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
	if err := p.Valid(); err != nil {
		return Problem{}, &ExpressionError{text, 0, err}
	}
	return p, nil
}

// kindOf tells what a text asks for by its first sign after a number. A second
// kind of sign is an error, at its place.
func kindOf(text string) (kind Kind, at int, err error) {
	kind = Sum
	found := false
	seen := false // something other than a space before the sign
	for i, r := range text {
		k, isSign := kindOfSign(r)
		switch {
		case !isSign:
			seen = seen || r != ' '
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

func kindOfSign(r rune) (Kind, bool) {
	for k, of := range kinds {
		if strings.ContainsRune(of.signs, r) {
			return k, true
		}
	}
	return "", false
}

func readNumber(part string) (n place.Number, offset int, err error) {
	trimmed := strings.TrimSpace(part)
	offset = strings.Index(part, trimmed)
	if strings.HasPrefix(trimmed, "-") || strings.HasPrefix(trimmed, "−") {
		return 0, offset, fmt.Errorf("%w, without a sign before it", place.ErrNotDigits)
	}
	n, err = place.ParseNumber(trimmed)
	return n, offset, err
}
