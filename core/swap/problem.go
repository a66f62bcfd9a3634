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
const (
	Sum        Kind = "sum"
	Difference Kind = "difference" // the larger number first
)

// Operation is the operation's name in data and command output.
func (k Kind) Operation() string { return map[Kind]string{Sum: "add", Difference: "subtract"}[k] }

// sign is what stands between the numbers of a typed problem.
func (k Kind) sign() string { return map[Kind]string{Sum: "+", Difference: "-"}[k] }

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

// DifferenceOf is the problem that takes smaller from larger.
func DifferenceOf(larger, smaller place.Number) Problem {
	return Problem{Kind: Difference, Version: Version, Numbers: []place.Number{larger, smaller}}
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
	return strings.Join(written, p.Kind.sign())
}

// Answer is the number that comes out of a valid problem.
func (p Problem) Answer() place.Number {
	var sum place.Number
	for i, n := range p.Numbers {
		if i > 0 && p.Kind == Difference {
			n = -n
		}
		sum += n
	}
	return sum
}

// Valid tells why the problem cannot be worked; nil when it can.
func (p Problem) Valid() error {
	if p.Kind.Operation() == "" || p.Version != Version {
		return fmt.Errorf("%w: kind %q, version %d", ErrKind, p.Kind, p.Version)
	}
	if n := len(p.Numbers); n < FewestAddends || n > MostAddends {
		return fmt.Errorf("%w: %d given", ErrAddends, n)
	}
	if p.Kind == Difference && len(p.Numbers) > 2 {
		return fmt.Errorf("%w: %d numbers given", ErrTakes, len(p.Numbers))
	}
	for _, n := range p.Numbers {
		if n < 0 || n.Length() > place.MostDigits {
			return fmt.Errorf("%w: %d", place.ErrTooLong, n)
		}
	}
	if p.Kind == Difference && p.Numbers[0] < p.Numbers[1] {
		return fmt.Errorf("%w: %d is less than %d", ErrLarger, p.Numbers[0], p.Numbers[1])
	}
	return nil
}

// Errors about a problem as it was given.
var (
	ErrKind      = errors.New("this kind of problem is not known here")
	ErrAddends   = fmt.Errorf("a sum joins %d to %d numbers", FewestAddends, MostAddends)
	ErrOperation = errors.New("only joining with + and taking with - can be worked here")
	ErrTakes     = errors.New("one number is taken from one other")
	ErrLarger    = errors.New("the larger number stands first")
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

// Parse reads a typed problem such as "47 + 25" or "62 - 38": 2 to 6 numbers of
// at most six digits joined by +, or one taken from another by -, with spaces
// allowed around them. An error is an *ExpressionError that wraps one of the
// errors above or one of place.ParseNumber.
func Parse(text string) (Problem, error) {
	p := Problem{Kind: kindOf(text), Version: Version}
	at := 0
	for part := range strings.SplitSeq(plainMinus.Replace(text), p.Kind.sign()) {
		n, offset, err := readNumber(part)
		if err != nil {
			return Problem{}, &ExpressionError{plainMinus.Replace(text), at + offset, err}
		}
		p.Numbers = append(p.Numbers, n)
		at += len(part) + 1
	}
	if err := p.Valid(); err != nil {
		return Problem{}, &ExpressionError{plainMinus.Replace(text), 0, err}
	}
	return p, nil
}

// plainMinus lets a printed minus be typed too.
var plainMinus = strings.NewReplacer("−", "-")

// kindOf tells what a text asks for: a minus after its first sign makes it a
// difference, unless numbers are joined as well.
func kindOf(text string) Kind {
	rest := strings.TrimSpace(plainMinus.Replace(text))
	if strings.LastIndex(rest, "-") > 0 && !strings.Contains(rest, "+") {
		return Difference
	}
	return Sum
}

func readNumber(part string) (n place.Number, offset int, err error) {
	trimmed := strings.TrimSpace(part)
	offset = strings.Index(part, trimmed)
	if i := strings.IndexAny(trimmed, "-*×/÷:"); i > 0 {
		return 0, offset + i, ErrOperation
	}
	if strings.HasPrefix(trimmed, "-") {
		return 0, offset, fmt.Errorf("%w, without a sign before it", place.ErrNotDigits)
	}
	n, err = place.ParseNumber(trimmed)
	return n, offset, err
}
