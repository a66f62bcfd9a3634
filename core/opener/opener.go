// Package opener has the short openers of a lesson for the whole class: flashes, fingers,
// numbers shown on the rack, riddles, sums in the head, worked examples with a planted slip,
// and cards in a guide's own words; a row of them is kept and drawn anew each time.
package opener

import (
	"errors"
	"fmt"
	"math/rand/v2"
	"slices"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/number"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/slip"
	"vineswap/core/task"
)

// Kind is a kind of opener.
type Kind string

// The kinds of opener.
const (
	OfFlashes Kind = "flash"
	Fingers   Kind = "fingers"
	ShowMe    Kind = "show-me"   // on the bead rack
	Riddles   Kind = "riddle"    // 2 tens and 14 ones
	HowMany   Kind = "how-many"  // how many tens, and how much they are worth
	CountBy   Kind = "count-by"  // by tens and on, on the rack
	InParts   Kind = "expanded"  // 47 = 40 + 7
	InHead    Kind = "head"      // a sum or a difference
	SpotSlip  Kind = "spot-slip" // worked examples with a planted slip
	OwnCard   Kind = "card"      // in the guide's own words
)

// Kinds returns all kinds.
func Kinds() []Kind {
	return []Kind{OfFlashes, Fingers, ShowMe, CountBy, Riddles, HowMany, InParts, InHead, SpotSlip, OwnCard}
}

// Opener is one opener with its parameters. What a kind does not need is empty.
type Opener struct {
	Kind  Kind           `json:"kind"`
	Count int            `json:"count"`           // how many tasks
	Shown number.Shown   `json:"shown,omitempty"` // of flashes
	Flash Flash          `json:"flash,omitzero"`
	UpTo  place.Number   `json:"upTo,omitempty"`  // the largest number
	Stage choose.StageID `json:"stage,omitempty"` // of sums in the head, and of examples with a slip
	Slips []slip.ID      `json:"slips,omitempty"` // one of which may be planted; none for any
	Text  string         `json:"text,omitempty"`  // of a card
}

// Limits of an opener and of a row of them.
const (
	MostCount = 8
	MostInRow = 8
	MostTasks = 24
	MostName  = 40
	MostText  = 160
)

// Errors of an opener that cannot be kept or drawn.
var (
	ErrKind  = errors.New("there is no such opener")
	ErrCount = fmt.Errorf("an opener has 1 to %d tasks", MostCount)
	ErrUpTo  = errors.New("the numbers of an opener go up to 10, 20 or 100")
	ErrStage = errors.New("an opener has no sums of this stage")
	ErrSlip  = errors.New("this slip cannot be planted in a written sum or difference")
	ErrText  = fmt.Errorf("a card has 1 to %d characters", MostText)
	ErrRow   = fmt.Errorf("a row has 1 to %d openers, with at most %d tasks together", MostInRow, MostTasks)
	ErrNone  = errors.New("there are no numbers for this opener")
)

// UpTos are how far the numbers of an opener can go.
func UpTos() []place.Number { return []place.Number{10, 20, 100} }

// stages are those whose sums and differences an opener has, with the digits of their numbers.
var stages = []struct {
	id     choose.StageID
	kind   task.Kind
	digits []int
}{
	{choose.WithinTen, problem.Sum, []int{1, 1}}, {choose.OverTen, problem.Sum, []int{1, 1}}, {choose.NoSwap, problem.Sum, []int{2, 2}}, {choose.OneSwapOnes, problem.Sum, []int{2, 2}},
	{choose.TakeWithinTen, problem.Difference, []int{1, 1}}, {choose.BackOverTen, problem.Difference, []int{2, 1}}, {choose.TakeNoSwap, problem.Difference, []int{2, 2}}, {choose.TakeOneSwapTens, problem.Difference, []int{2, 2}},
}

// Stages lists the stages whose sums and differences an opener has.
func Stages() []choose.StageID {
	ids := make([]choose.StageID, len(stages))
	for i, s := range stages {
		ids[i] = s.id
	}
	return ids
}

// Valid tells why the opener cannot be drawn; nil when it can.
func (o Opener) Valid() error {
	switch {
	case !slices.Contains(Kinds(), o.Kind):
		return fmt.Errorf("%w: %q", ErrKind, o.Kind)
	case o.Kind == OwnCard:
		if n := len([]rune(o.Text)); n < 1 || n > MostText {
			return ErrText
		}
		return nil
	case o.Count < 1 || o.Count > MostCount:
		return fmt.Errorf("%w, not %d", ErrCount, o.Count)
	case o.Kind == OfFlashes && !slices.Contains(Flashed(), o.Shown):
		return fmt.Errorf("%w, not %q", ErrFlashed, o.Shown)
	case (o.Kind == InHead || o.Kind == SpotSlip) && !slices.Contains(Stages(), o.Stage):
		return fmt.Errorf("%w: %q", ErrStage, o.Stage)
	case o.numbered() && !slices.Contains(UpTos(), o.UpTo):
		return fmt.Errorf("%w, not %d", ErrUpTo, o.UpTo)
	case o.Kind == OfFlashes || o.Kind == Fingers:
		return o.Flash.Valid()
	}
	return o.validSlips()
}

func (o Opener) validSlips() error {
	for _, id := range o.Slips {
		if !slices.Contains(plantable(), id) {
			return fmt.Errorf("%w: %q", ErrSlip, id)
		}
	}
	return nil
}

// numbered tells whether the opener has numbers that go as far as is said.
func (o Opener) numbered() bool {
	return !slices.Contains([]Kind{Fingers, InHead, SpotSlip, OwnCard}, o.Kind)
}

// Row is openers one after another, kept under a name.
type Row struct {
	Name    string
	Openers []Opener
}

// Valid tells why the row cannot be kept; nil when it can.
func (r Row) Valid() error {
	if _, err := book.Name(r.Name, MostName); err != nil {
		return err
	}
	tasks := 0
	for i, o := range r.Openers {
		if err := o.Valid(); err != nil {
			return fmt.Errorf("opener %d: %w", i+1, err)
		}
		tasks += max(1, o.Count)
	}
	if len(r.Openers) == 0 || len(r.Openers) > MostInRow || tasks > MostTasks {
		return ErrRow
	}
	return nil
}

// Drawn is a task of an opener, how it is worked, and its flash.
type Drawn struct {
	Task   task.Task
	Stage  choose.StageID
	Manner book.Manner
	Flash  *Flash
}

// Draw draws the tasks of an opener; known tells of a way of seeing how many of the children
// here have named it.
func (o Opener) Draw(seed uint64, known func(book.Way) int) ([]Drawn, error) {
	if err := o.Valid(); err != nil {
		return nil, err
	}
	rng := rand.New(rand.NewPCG(seed, 1))
	switch o.Kind {
	case OwnCard:
		return []Drawn{{Task: Card{Text: o.Text}.Task()}}, nil
	case OfFlashes:
		return o.flashed(o.Shown, Climb(o.Shown, o.UpTo, o.Count, seed, known)), nil
	case Fingers:
		return o.flashed(number.Fingers, Climb(number.Fingers, 10, o.Count, seed, known)), nil
	case InHead:
		return o.inHead(seed)
	case SpotSlip:
		return o.spots(rng)
	}
	var list []Drawn
	for _, n := range o.some(rng) {
		a := o.asked(n, len(list))
		list = append(list, Drawn{Task: a.Task(), Stage: number.StageOf(a), Manner: mannerOf(a)})
	}
	if len(list) == 0 {
		return nil, ErrNone
	}
	return list, nil
}

// mannerOf is how a number is worked by a whole class: material in hand, seen as a picture, or
// in the head.
func mannerOf(a number.Asked) book.Manner {
	switch {
	case a.Answered == number.Push:
		return book.Pieces
	case a.OnRack():
		return book.Drawn
	}
	return book.Head
}

// some are numbers that suit the opener, in order of size, each once.
func (o Opener) some(rng *rand.Rand) []place.Number {
	var all []place.Number
	for n := place.Number(0); n <= o.UpTo; n++ {
		if a, b := o.asked(n, 0), o.asked(n, 1); n == a.Number && number.Accepts(number.StageOf(a), a) && number.Accepts(number.StageOf(b), b) {
			all = append(all, n)
		}
	}
	rng.Shuffle(len(all), func(i, j int) { all[i], all[j] = all[j], all[i] })
	list := all[:min(o.Count, len(all))]
	slices.Sort(list)
	return list
}

// asked is how a number is asked as the nth of the opener.
func (o Opener) asked(n place.Number, nth int) number.Asked {
	a := number.Asked{Number: n, Shown: number.Numeral, Answered: number.Push}
	switch o.Kind {
	case Riddles:
		a.Shown, a.Answered = number.Riddle, number.Write
	case CountBy:
		a.Shown, a.Answered = number.Rack100, number.Say
	case InParts:
		a.Answered = number.InParts
	case HowMany: // how many tens, and how much so many are worth, in turn
		a.Number -= n % 10
		if a.Answered = number.HowMany; nth%2 == 1 {
			a.Shown, a.Answered = number.Units, number.Write
		}
	}
	return a
}

func (o Opener) flashed(s number.Shown, numbers []place.Number) []Drawn {
	list := make([]Drawn, len(numbers))
	for i, n := range numbers {
		a, f := number.Asked{Number: n, Shown: s, Answered: number.Write}, o.Flash
		list[i] = Drawn{a.Task(), number.StageOf(a), book.Drawn, &f}
	}
	return list
}

// problems draws sums or differences of the opener's stage.
func (o Opener) problems(n int, seed uint64) ([]problem.Problem, error) {
	at := slices.Index(Stages(), o.Stage)
	c := choose.Choice{Kind: stages[at].kind, Stage: o.Stage, Digits: stages[at].digits}
	space, err := c.Space()
	if err != nil {
		return nil, err
	}
	var list []problem.Problem
	for _, numbers := range space.Draw(n, seed) {
		list = append(list, problem.Of(c.Kind, numbers...))
	}
	if len(list) < n {
		return nil, ErrNone
	}
	return list, nil
}

func (o Opener) inHead(seed uint64) ([]Drawn, error) {
	problems, err := o.problems(o.Count, seed)
	list := make([]Drawn, len(problems))
	for i, p := range problems {
		list[i] = Drawn{Task: p.Task(), Stage: o.Stage, Manner: book.Head}
	}
	return list, err
}
