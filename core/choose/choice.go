package choose

import (
	"errors"
	"fmt"
	"slices"
	"strings"

	"vineswap/core/place"
)

// Want is what is asked of a place, or of the zeros of a problem. The zero
// value leaves it open.
type Want int

// The three wishes: for a place either, no swap, a swap; for zeros may, never,
// must.
const (
	Any Want = iota
	No
	Yes
)

var wantNames = [...]string{"any", "no", "yes"}

// ErrWant is wrapped by the error about a word that is no wish.
var ErrWant = errors.New("say yes, no or any")

// ParseWant reads "any", "no" or "yes".
func ParseWant(text string) (Want, error) {
	if i := slices.Index(wantNames[:], text); i >= 0 {
		return Want(i), nil
	}
	return Any, fmt.Errorf("%w, not %q", ErrWant, text)
}

// String returns "any", "no" or "yes".
func (w Want) String() string { return wantNames[w] }

// allows tells whether a fact is as wanted.
func (w Want) allows(fact bool) bool { return w == Any || (w == Yes) == fact }

// Choice is what is wanted of the problems: sums of two to six numbers.
type Choice struct {
	Stage  StageID           // the stage that they belong to; empty when chosen by hand
	Digits []int             // how many digits each number has, 1 to 6, in written order
	Swap   [place.Count]Want // the knot of each place: whether it swaps
	Zeros  Want              // whether a digit 0 stands in the numbers
	Laid   bool              // the result stays within what can be laid out with pieces
}

// Errors of a choice that makes no sense, whatever the numbers.
var (
	ErrNumbers = errors.New("a sum joins 2 to 6 numbers")
	ErrDigits  = fmt.Errorf("a number has 1 to %d digits", place.MostDigits)
	ErrNoPlace = errors.New("none of the numbers has this place")
)

// Top returns the highest place that the numbers have.
func (c Choice) Top() place.Place { return place.Place(slices.Max(c.Digits) - 1) }

// Valid tells why the choice makes no sense; nil when it does, even if no
// problem fits it.
func (c Choice) Valid() error {
	if len(c.Digits) < 2 || len(c.Digits) > 6 {
		return fmt.Errorf("%w: %d given", ErrNumbers, len(c.Digits))
	}
	for _, d := range c.Digits {
		if d < 1 || d > place.MostDigits {
			return fmt.Errorf("%w, not %d", ErrDigits, d)
		}
	}
	for p := c.Top() + 1; int(p) < place.Count; p++ {
		if c.Swap[p] == Yes {
			return fmt.Errorf("%w: %v cannot swap", ErrNoPlace, p)
		}
	}
	if c.Stage != "" {
		if _, err := ParseStage(string(c.Stage)); err != nil {
			return err
		}
	}
	return nil
}

// Fitted returns the choice without the knots of places that no number has,
// as when a number is made shorter.
func (c Choice) Fitted() Choice {
	for p := c.Top() + 1; int(p) < place.Count; p++ {
		c.Swap[p] = Any
	}
	return c
}

// Tied returns the knot of a place as it stands: tied by hand or, where it was
// left open, by the stage.
func (c Choice) Tied(p place.Place) Want {
	if c.Swap[p] != Any {
		return c.Swap[p]
	}
	return c.Stage.rule(c.Top()).swap[p]
}

// ParseSwaps reads "ones=yes,tens=no" into the knots of a choice. Unknown and
// repeated places, and words that are no wish, are errors; an empty text leaves
// everything open.
func ParseSwaps(text string) (swap [place.Count]Want, err error) {
	seen := [place.Count]bool{}
	if text == "" {
		return swap, nil
	}
	for part := range strings.SplitSeq(text, ",") {
		name, wish, _ := strings.Cut(part, "=")
		p, err := place.Parse(strings.TrimSpace(name))
		if err != nil {
			return swap, err
		}
		if seen[p] {
			return swap, fmt.Errorf("%v is named twice", p)
		}
		seen[p] = true
		if swap[p], err = ParseWant(strings.TrimSpace(wish)); err != nil {
			return swap, fmt.Errorf("%v: %w", p, err)
		}
	}
	return swap, nil
}
