package choose

import (
	"errors"
	"fmt"
	"slices"
	"strconv"
	"strings"

	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/task"
)

// Kinds returns the kinds of problem that numbers are chosen for. Joining has two
// to six numbers, taking the larger and the smaller, sharing a number and 2 to 9
// sharers, trays the number of each tray and 2 to 9 trays. No kind is a sum.
func Kinds() []task.Kind {
	return []task.Kind{problem.Sum, problem.Difference, problem.Sharing, problem.Trays}
}

// ErrKind is wrapped by the error about a kind that numbers are not chosen for.
var ErrKind = errors.New("numbers are chosen for adding, taking away, sharing or equal groups")

// ParseKind reads the name of a kind; empty is a sum.
func ParseKind(text string) (task.Kind, error) {
	if text == "" {
		return problem.Sum, nil
	}
	if kind := task.Kind(text); slices.Contains(Kinds(), kind) {
		return kind, nil
	}
	return problem.Sum, fmt.Errorf("%w, not %q", ErrKind, text)
}

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

// Valid tells whether the wish is one of the three.
func (w Want) Valid() bool { return w >= Any && w <= Yes }

// String returns "any", "no" or "yes"; of what is no wish its number.
func (w Want) String() string {
	if !w.Valid() {
		return fmt.Sprintf("want %d", int(w))
	}
	return wantNames[w]
}

// allows tells whether a fact is as wanted.
func (w Want) allows(fact bool) bool { return w == Any || (w == Yes) == fact }

// Facts limits which two digits meet in a column. Adding to nothing, or nothing,
// is no fact. Joining looks at the running sums in written order, of which what
// was swapped is gone; equal trays likewise; taking at what stands in a place and
// what goes.
type Facts string

// The limits. The empty word is AllFacts.
const (
	AllFacts  Facts = "all"
	UpToTen   Facts = "up-to-ten"
	TwinFacts Facts = "doubles"
	Bonds     Facts = "bonds" // of ten
)

// FactLimits returns the limits, the widest first.
func FactLimits() []Facts { return []Facts{AllFacts, UpToTen, TwinFacts, Bonds} }

// ErrFacts is wrapped by the error about a limit of facts that is not known.
var ErrFacts = errors.New("facts are all, up-to-ten, doubles or bonds")

// ParseFacts reads a limit; empty is AllFacts.
func ParseFacts(text string) (Facts, error) {
	if text == "" {
		return AllFacts, nil
	}
	if f := Facts(text); slices.Contains(FactLimits(), f) {
		return f, nil
	}
	return AllFacts, fmt.Errorf("%w, not %q", ErrFacts, text)
}

// allow tells whether two digits that make a sum may meet.
func (f Facts) allow(a, b int) bool {
	switch {
	case a == 0 || b == 0:
		return true
	case f == UpToTen:
		return a+b <= tenOver
	case f == TwinFacts:
		return a == b
	case f == Bonds:
		return a+b == tenOver
	}
	return true
}

// Gives is how many of the next each place gives up exactly, ones first; 0 for any.
type Gives [place.Count]int

// MostGiven is the most that a place can give up at once: nine trays of 9, or 8 of 9
// that are left in sharing.
const MostGiven = 8

// MostGiven is how many of the next a place can give up at once with so many numbers;
// none in taking away.
func (c Choice) MostGiven() int {
	by := mostBy
	if c.By > 0 {
		by = c.By
	}
	switch c.kind() {
	case problem.Sum:
		return len(c.Digits) - 1
	case problem.Sharing, problem.Trays:
		return by - 1
	}
	return 0
}

// Wants is a wish for each place, ones first.
type Wants [place.Count]Want

// Choice is what is wanted of the problems.
type Choice struct {
	Kind   task.Kind
	Stage  StageID // the stage that they belong to; empty when chosen by hand
	Digits []int   // how many digits each number has, 1 to 6, in written order; of sharing and trays the number's alone
	By     int     // how many share, or how many trays there are; 0 for any of 2 to 9

	Swap    Wants // whether the place swaps: in joining its column reaches ten, in taking ten come into it, in sharing something is left there after dealing
	Made    Wants // whether it swaps only because of the swap below it
	Several Wants // whether it gives up two or more at once
	Gives   Gives // how many it gives up exactly: what is carried, or in sharing taken down
	Exact   Wants // whether it swaps and nothing stays
	ZeroAt  Wants // whether a 0 stands there: in a number that is joined, in the larger number, in the number shared

	Zeros Want // whether a 0 stands anywhere in those numbers
	Cross Want // taking: whether a swap goes through a 0 of the larger number
	Row   Want // taking: whether it goes through two or more in a row
	Rest  Want // sharing: whether there is a remainder

	MakesTen Want // whether two digits in the ones make ten; in taking, whether ten stand there
	Doubles  Want // whether two digits in the ones are alike; in taking, whether half of what stands there goes
	Facts    Facts

	work *work // that it is counted in; nil for one of its own

	Most   place.Number     // the largest number that may come up: the result, or in taking and sharing the number worked from; 0 for any
	Limit  [place.Count]int // the most pieces of a place that there are; 0 for no limit
	Groups int              // how many groups lay it out at once, each with its own pieces; 0 is one
	Laid   bool             // all of it can be laid out with pieces
}

// The number of sharers, or of trays.
const (
	fewestBy = 2
	mostBy   = 9
)

// MostGroups is how many groups can lay out a problem at once.
const MostGroups = 12

// MostLimit is the largest limit of pieces of a place.
const MostLimit = 9_999

// Errors of a choice that makes no sense, whatever the numbers.
var (
	ErrNumbers = errors.New("a sum has 2 to 6 numbers")
	ErrTwo     = errors.New("taking away has two numbers, the larger first")
	ErrOne     = errors.New("give only the digits of the first number; the second is 2 to 9")
	ErrDigits  = fmt.Errorf("a number has 1 to %d digits", place.MostDigits)
	ErrShorter = errors.New("the larger number cannot have fewer digits")
	ErrNoPlace = errors.New("none of the numbers has this place")
	ErrBy      = fmt.Errorf("share among %d to %d, or make %d to %d groups", fewestBy, mostBy, fewestBy, mostBy)
	ErrLimit   = fmt.Errorf("a limit is 1 to %d pieces", MostLimit)
	ErrGroups  = fmt.Errorf("1 to %d groups can lay it out at once", MostGroups)
	ErrMost    = errors.New("the limit of the numbers is 1 to 9,999,999")
	ErrSuits   = errors.New("this cannot be asked for this operation")
	ErrGives   = fmt.Errorf("a place gives up 1 to %d at once", MostGiven)
)

// Fault is what is wrong with a choice: in which of its fields, and of what is wished
// for the wish itself. It wraps one of the errors above.
type Fault struct {
	Field string // kind, stage, digits, by, facts, groups, most, limit or the kind of the wish
	Wish  *Wish  // nil where the field is no wish
	Err   error
}

func (f *Fault) Error() string { return f.Err.Error() }

func (f *Fault) Unwrap() error { return f.Err }

// fault is the error of a field; nil without one.
func fault(field string, err error) error {
	if err == nil {
		return nil
	}
	return &Fault{Field: field, Err: err}
}

func (c Choice) kind() task.Kind {
	if c.Kind == "" {
		return problem.Sum
	}
	return c.Kind
}

// Top returns the highest place that the numbers have.
func (c Choice) Top() place.Place { return place.Place(slices.Max(c.Digits) - 1) }

// Valid tells why the choice makes no sense, as a *Fault; nil when it does, even if no
// problem fits it.
func (c Choice) Valid() error {
	if _, err := ParseKind(string(c.Kind)); err != nil {
		return fault("kind", err)
	}
	if err := c.validDigits(); err != nil {
		return fault("digits", err)
	}
	if c.Stage != "" {
		if err := c.validStage(); err != nil {
			return fault("stage", err)
		}
	}
	if _, err := ParseFacts(string(c.Facts)); err != nil {
		return fault("facts", err)
	}
	if c.By != 0 && (c.By < fewestBy || c.By > mostBy) {
		return fault("by", fmt.Errorf("%w, not %d", ErrBy, c.By))
	}
	if c.Groups < 0 || c.Groups > MostGroups {
		return fault("groups", fmt.Errorf("%w, not %d", ErrGroups, c.Groups))
	}
	if c.Most < 0 || c.Most.Length() > place.MostDigits+1 {
		return fault("most", fmt.Errorf("%w, not %d", ErrMost, c.Most))
	}
	for p, n := range c.Limit {
		if n < 0 || n > MostLimit {
			return fault("limit", fmt.Errorf("%w, not %d of the %v", ErrLimit, n, place.Place(p)))
		}
	}
	for p, n := range c.Gives {
		if n < 0 || n > MostGiven {
			return fault("gives", fmt.Errorf("%w, not %d in the %v", ErrGives, n, place.Place(p)))
		}
	}
	return c.validWishes()
}

func (c Choice) validDigits() error {
	n := len(c.Digits)
	switch kind := c.kind(); {
	case kind == problem.Sum && (n < 2 || n > 6):
		return fmt.Errorf("%w: %d given", ErrNumbers, n)
	case kind == problem.Difference && n != 2:
		return fmt.Errorf("%w: %d given", ErrTwo, n)
	case (kind == problem.Sharing || kind == problem.Trays) && n != 1:
		return fmt.Errorf("%w: %d given", ErrOne, n)
	}
	for _, d := range c.Digits {
		if d < 1 || d > place.MostDigits {
			return fmt.Errorf("%w, not %d", ErrDigits, d)
		}
	}
	if c.kind() == problem.Difference && c.Digits[0] < c.Digits[1] {
		return fmt.Errorf("%w: %d digits, then %d", ErrShorter, c.Digits[0], c.Digits[1])
	}
	return nil
}

func (c Choice) validStage() error {
	if _, err := ParseStage(string(c.Stage)); err != nil {
		return err
	}
	if kind := c.Stage.Kind(); kind != c.kind() {
		return fmt.Errorf("%w: %s is a stage of %s", ErrSuits, c.Stage, kind)
	}
	return nil
}

// validWishes looks for wishes of places that no number has, and for those that
// the operation does not know.
func (c Choice) validWishes() error {
	for _, w := range c.Wishes() {
		switch {
		case !w.Want.Valid():
			return &Fault{string(w.Kind), &w, fmt.Errorf("%w, not %v", ErrWant, w.Want)}
		case !w.Kind.Suits(c.kind()):
			return &Fault{string(w.Kind), &w, fmt.Errorf("%w: %s in %s", ErrSuits, w.Kind, c.kind())}
		case w.Kind.OfPlace() && (w.Want == Yes || w.Kind == Given) && w.Place > c.Top():
			return &Fault{string(w.Kind), &w, fmt.Errorf("%w: %v cannot swap", ErrNoPlace, w.Place)}
		}
	}
	return nil
}

// Fitted returns the choice without the wishes of places that no number has, as
// when a number is made shorter, and without those that its operation does not
// know.
func (c Choice) Fitted() Choice {
	for _, w := range c.Wishes() {
		if !w.Kind.Suits(c.kind()) || w.Kind.OfPlace() && w.Kind != Shelf && w.Place > c.Top() {
			c = c.Without(w)
		}
	}
	return c
}

// aHand is how many problems of a stage are asked for at least, where its numbers can be
// of other lengths.
const aHand = 12

// UpTo returns the choice with numbers that go as far as a range. Where too few of the
// stage's problems are left, its numbers become of the lengths that leave most.
func (c Choice) UpTo(r Range) Choice {
	c = c.limited(r)
	fits := c.fits()
	if c.Most == 0 || byID[c.Stage] == nil || !fits.Less(CountOf(aHand)) {
		return c
	}
	best := c
	for _, digits := range byID[c.Stage].shapes() {
		if c.Digits = digits; slices.Max(digits) > r.Limit().Length() {
			continue
		}
		other := c.limited(r)
		if n := other.fits(); fits.Less(n) {
			best, fits = other, n
		}
	}
	return best
}

// limited returns the choice with a limit, or without one where its numbers cannot go
// further anyway.
func (c Choice) limited(r Range) Choice {
	c.Most = 0
	far := place.Number(0)
	for _, d := range c.Digits {
		far += place.Number(10*place.Place(d-1).Unit()) - 1
	}
	if c.kind() == problem.Trays {
		far *= mostBy
	}
	if c.kind() == problem.Difference {
		far = place.Number(10*c.Top().Unit()) - 1
	}
	if limit := r.Limit(); limit < far {
		c.Most = limit
	}
	return c
}

// Tied returns the knot of a place as it stands: tied by hand or, where it was
// left open, by the stage.
func (c Choice) Tied(p place.Place) Want {
	if c.Swap[p] != Any {
		return c.Swap[p]
	}
	return c.Stage.rule(c.Top(), len(c.Digits)).swap[p]
}

// lacks tells whether there are too few pieces of a place for so many in each
// group.
func (c *Choice) lacks(p place.Place, count int) bool {
	return c.Limit[p] > 0 && count*max(1, c.Groups) > c.Limit[p]
}

// ParseSwaps reads "ones=yes,tens=no" into the knots of a choice. Unknown and
// repeated places, and words that are no wish, are errors; an empty text leaves
// everything open.
func ParseSwaps(text string) (Wants, error) {
	var wants Wants
	err := byPlace(text, func(p place.Place, wish string) (err error) {
		wants[p], err = ParseWant(wish)
		return err
	})
	return wants, err
}

// ParseLimits reads "ones=20,tens=15" into the limits of a choice, with the same
// errors.
func ParseLimits(text string) ([place.Count]int, error) {
	var limits [place.Count]int
	err := byPlace(text, func(p place.Place, most string) error {
		n, err := strconv.Atoi(most)
		if err != nil || n < 1 || n > MostLimit {
			return fmt.Errorf("%w, not %q", ErrLimit, most)
		}
		limits[p] = n
		return nil
	})
	return limits, err
}

// ParseGives reads "ones=2,tens=1" into what the places give up, with the same errors.
func ParseGives(text string) (Gives, error) {
	var gives Gives
	err := byPlace(text, func(p place.Place, given string) error {
		n, err := strconv.Atoi(given)
		if err != nil || n < 1 || n > MostGiven {
			return fmt.Errorf("%w, not %q", ErrGives, given)
		}
		gives[p] = n
		return nil
	})
	return gives, err
}

// byPlace reads a list of place=word.
func byPlace(text string, set func(p place.Place, word string) error) error {
	seen := [place.Count]bool{}
	if text == "" {
		return nil
	}
	for part := range strings.SplitSeq(text, ",") {
		name, word, _ := strings.Cut(part, "=")
		p, err := place.Parse(strings.TrimSpace(name))
		if err != nil {
			return err
		}
		if seen[p] {
			return fmt.Errorf("%v is named twice", p)
		}
		seen[p] = true
		if err := set(p, strings.TrimSpace(word)); err != nil {
			return fmt.Errorf("%v: %w", p, err)
		}
	}
	return nil
}
