package swap

import (
	"errors"
	"fmt"
	"strings"

	"vineswap/core/place"
)

// Kind is what a problem asks for.
type Kind string

// The kinds of problem that can be worked.
const Sum Kind = "sum"

// Operation is the operation's name in data and command output.
func (k Kind) Operation() string { return map[Kind]string{Sum: "add"}[k] }

// Version is the version of the problem's record, written with each one so
// that later kinds can tell older records apart.
const Version = 1

// A sum has this many addends.
const (
	FewestAddends = 2
	MostAddends   = 6
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

// Key tells problems apart; it keeps the order of the numbers, so 25+47 is not
// 47+25.
func (p Problem) Key() string { return string(p.Kind) + ":" + p.String() }

// String writes the problem as it is typed: 47+25.
func (p Problem) String() string {
	written := make([]string, len(p.Numbers))
	for i, n := range p.Numbers {
		written[i] = n.String()
	}
	return strings.Join(written, "+")
}

// Valid tells why the problem cannot be worked; nil when it can.
func (p Problem) Valid() error {
	if p.Kind != Sum || p.Version != Version {
		return fmt.Errorf("%w: kind %q, version %d", ErrKind, p.Kind, p.Version)
	}
	if n := len(p.Numbers); n < FewestAddends || n > MostAddends {
		return fmt.Errorf("%w: %d given", ErrAddends, n)
	}
	for _, n := range p.Numbers {
		if n < 0 || n.Length() > place.MostDigits {
			return fmt.Errorf("%w: %d", place.ErrTooLong, n)
		}
	}
	return nil
}

// Errors about a problem as it was given.
var (
	ErrKind      = errors.New("this kind of problem is not known here")
	ErrAddends   = fmt.Errorf("a sum joins %d to %d numbers", FewestAddends, MostAddends)
	ErrOperation = errors.New("only joining with + can be worked here")
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

// Parse reads a typed sum such as "47 + 25": 2 to 6 numbers of at most six
// digits joined by +, with spaces allowed around them. An error is an
// *ExpressionError that wraps one of ErrAddends, ErrOperation and the errors of
// place.ParseNumber.
func Parse(text string) (Problem, error) {
	var numbers []place.Number
	at := 0
	for part := range strings.SplitSeq(text, "+") {
		n, offset, err := readNumber(part)
		if err != nil {
			return Problem{}, &ExpressionError{text, at + offset, err}
		}
		numbers = append(numbers, n)
		at += len(part) + 1
	}
	p := SumOf(numbers...)
	if err := p.Valid(); err != nil {
		return Problem{}, &ExpressionError{text, 0, err}
	}
	return p, nil
}

func readNumber(part string) (n place.Number, offset int, err error) {
	trimmed := strings.TrimSpace(part)
	offset = strings.Index(part, trimmed)
	if i := strings.IndexAny(trimmed, "-−*×/÷:"); i > 0 {
		return 0, offset + i, ErrOperation
	}
	if strings.HasPrefix(trimmed, "-") || strings.HasPrefix(trimmed, "−") {
		return 0, offset, fmt.Errorf("%w, without a sign before it", place.ErrNotDigits)
	}
	n, err = place.ParseNumber(trimmed)
	return n, offset, err
}
