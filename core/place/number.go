package place

import (
	"errors"
	"fmt"
	"strconv"
)

// MostDigits is how many digits a number that someone types may have.
const MostDigits = 6

// Errors that ParseNumber wraps, for callers that answer each in its own way.
var (
	ErrNoDigits    = errors.New("a number is missing")
	ErrNotDigits   = errors.New("a number is written with the digits 0 to 9 only")
	ErrLeadingZero = errors.New("a number cannot begin with 0")
	ErrTooLong     = fmt.Errorf("a number has at most %d digits", MostDigits)
)

// Number is a whole number from 0 to 9,999,999. It is comparable; the zero
// value is the number 0.
type Number int

// ParseNumber reads a number of at most MostDigits digits as it is written by
// hand: digits alone, no sign, no leading zero (0 itself may stand).
func ParseNumber(text string) (Number, error) {
	if text == "" {
		return 0, ErrNoDigits
	}
	for _, r := range text {
		if r < '0' || r > '9' {
			return 0, fmt.Errorf("%w, not %q", ErrNotDigits, r)
		}
	}
	if len(text) > 1 && text[0] == '0' {
		return 0, fmt.Errorf("%w: %s", ErrLeadingZero, text)
	}
	if len(text) > MostDigits {
		return 0, fmt.Errorf("%w: %s has %d", ErrTooLong, text, len(text))
	}
	n, err := strconv.Atoi(text)
	return Number(n), err
}

// Digit returns the digit that the number has in a place; 0 where the number
// does not reach.
func (n Number) Digit(p Place) int { return int(n) / p.Unit() % 10 }

// Length returns how many digits the number is written with; 0 has one.
func (n Number) Length() int { return int(n.Top()) + 1 }

// Top returns the highest place in which the number is written.
func (n Number) Top() Place {
	for p := Millions; p > Ones; p-- {
		if int(n) >= p.Unit() {
			return p
		}
	}
	return Ones
}

// Has tells whether the number is written with a digit in the place.
func (n Number) Has(p Place) bool { return p <= n.Top() }

// DigitSum returns the sum of the digits: how many pieces build the number.
func (n Number) DigitSum() int {
	sum := 0
	for p := Ones; int(p) < Count; p++ {
		sum += n.Digit(p)
	}
	return sum
}

// Expanded returns the parts of the number, highest first, one for each place
// that is not empty: 342 is 300, 40, 2. They are also its cards. 0 has none.
func (n Number) Expanded() []Number {
	parts := []Number{}
	for p := n.Top(); p >= Ones; p-- {
		if d := n.Digit(p); d > 0 {
			parts = append(parts, Number(d*p.Unit()))
		}
	}
	return parts
}

// String returns the number in digits, without a separator.
func (n Number) String() string { return strconv.Itoa(int(n)) }

// HighestOf returns the highest place in which any of the numbers is written.
func HighestOf(numbers []Number) Place {
	top := Ones
	for _, n := range numbers {
		top = max(top, n.Top())
	}
	return top
}
