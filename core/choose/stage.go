package choose

import (
	"errors"
	"fmt"
	"slices"
	"strconv"
	"sync"

	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/task"
)

// StageID names a stage of the ladder as strand/stage.
type StageID string

// The stages of joining, in the order in which they are taught.
const (
	WithinTen     StageID = "joining/within-ten"
	OverTen       StageID = "joining/over-ten"
	NoSwap        StageID = "joining/no-swap"
	OneSwapOnes   StageID = "joining/one-swap-ones"
	OneSwapHigher StageID = "joining/one-swap-higher"
	SeveralSwaps  StageID = "joining/several-swaps"
	SwapMakesSwap StageID = "joining/swap-makes-swap"
	NewPlace      StageID = "joining/new-place"
	ThreeAddends  StageID = "joining/three-addends"
	AnySum        StageID = "joining/any-sum"
)

// The stages of taking, in the order in which they are taught.
const (
	TakeWithinTen     StageID = "taking/within-ten"
	BackOverTen       StageID = "taking/back-over-ten"
	TakeNoSwap        StageID = "taking/no-swap"
	TakeOneSwapTens   StageID = "taking/one-swap-tens"
	TakeOneSwapHigher StageID = "taking/one-swap-higher"
	TakeSeveralSwaps  StageID = "taking/several-swaps"
	AcrossOneZero     StageID = "taking/across-one-zero"
	AcrossZeros       StageID = "taking/across-zeros"
	AnyDifference     StageID = "taking/any-difference"
)

// The stages of sharing, in the order in which they are taught.
const (
	EqualTrays     StageID = "sharing/equal-trays"
	EqualTraysSwap StageID = "sharing/equal-trays-swap"
	ShareEven      StageID = "sharing/share-even"
	ShareSwap      StageID = "sharing/share-swap"
	ShareRemainder StageID = "sharing/share-remainder"
)

// ErrStage is wrapped by the error about a stage that does not exist.
var ErrStage = errors.New("there is no such stage")

// rule is what a stage asks of the numbers of a problem.
type rule struct {
	swap   Wants        // of single places
	fewest uint8        // how many places swap at least, 0 to 2
	most   uint8        // and at most; manySwaps is no limit
	made   Want         // whether a place swaps only because of the swap below it
	cross  Want         // whether a swap goes through a zero
	row    Want         // whether through two or more in a row
	rest   Want         // whether there is a remainder
	low    place.Number // the least that the result may be or, in taking and sharing, the number worked from; 0 for any
	high   place.Number // and the most
	none   bool         // numbers of these lengths are of another stage
}

// manySwaps is where the programme stops counting swapping places.
const manySwaps = 2

// only asks that no place up to top swaps.
func (r *rule) only(top place.Place) {
	for p := range top + 1 {
		r.swap[p] = No
	}
}

// NeedsZero tells whether a stage asks for a 0 in the larger number: a swap goes through
// it.
func (s StageID) NeedsZero() bool {
	r := s.rule(place.Thousands, 2)
	return r.cross == Yes || r.row == Yes
}

// definition is a stage, defined once: problems are counted, drawn and held to it
// by the same rule.
type definition struct {
	id      StageID
	kind    task.Kind
	least   int // how many digits the longest number needs
	most    int // how many a number has at most where it is meant for pieces; 0 for as many as there are pieces
	numbers int // how many numbers it needs at least
	asks    []task.Skill
	about   about // which of its places are about what it teaches
	rule    func(r *rule, top place.Place, numbers int)
}

var (
	inOnes   = []task.Skill{problem.Swap(place.Ones)}
	inHigher = []task.Skill{problem.Swap(place.Tens), problem.Swap(place.Hundreds)}
	inAll    = append(slices.Clone(inOnes), inHigher...)
	bySwap   = []task.Skill{problem.Made(place.Tens), problem.Made(place.Hundreds)}
)

// about tells whether work in some places of a problem is about what a stage teaches.
type about func(d definition, p problem.Problem, part place.Set) bool

func anyPlace(definition, problem.Problem, place.Set) bool { return true }

// asked: a swap that the stage asks for is made there.
func asked(d definition, p problem.Problem, part place.Set) bool {
	shows := p.ShowsIn(part)
	return slices.ContainsFunc(d.asks, func(s task.Skill) bool { return slices.Contains(shows, s) })
}

// swapping: a swap is made there, where there is any.
func swapping(_ definition, p problem.Problem, part place.Set) bool {
	return len(p.ShowsIn(part)) > 0 || len(p.Shows()) == 0
}

func acrossOne(_ definition, p problem.Problem, part place.Set) bool { return p.CrossesIn(part) > 0 }

func acrossMore(_ definition, p problem.Problem, part place.Set) bool { return p.CrossesIn(part) > 1 }

// highest: the place that reaches ten and opens a new one.
func highest(_ definition, p problem.Problem, part place.Set) bool {
	return part.Has(place.HighestOf(p.Numbers))
}

// leftOver: something is left over in the ones.
func leftOver(_ definition, _ problem.Problem, part place.Set) bool { return part.Has(place.Ones) }

func anything(*rule, place.Place, int) {}

// definitions are the stages that numbers can be chosen for, strand by strand in
// teaching order.
var definitions = []definition{
	{WithinTen, problem.Sum, 1, 1, 2, nil, anyPlace, func(r *rule, top place.Place, numbers int) {
		r.high, r.none = tenOver, top > place.Ones || numbers > 2
	}},
	{OverTen, problem.Sum, 1, 1, 2, nil, anyPlace, func(r *rule, top place.Place, numbers int) {
		r.low, r.none = tenOver+1, top > place.Ones || numbers > 2
	}},
	{NoSwap, problem.Sum, 2, 0, 2, nil, anyPlace, noneSwaps},
	{OneSwapOnes, problem.Sum, 2, 0, 2, inOnes, asked, func(r *rule, top place.Place, _ int) {
		r.only(top)
		r.fewest = 1
		if top > place.Ones {
			r.swap[place.Ones] = Yes
		}
	}},
	{OneSwapHigher, problem.Sum, 3, 0, 2, inHigher, asked, func(r *rule, top place.Place, _ int) {
		r.swap[place.Ones], r.swap[top], r.fewest, r.most = No, No, 1, 1
	}},
	{SeveralSwaps, problem.Sum, 3, 0, 2, inAll, asked, func(r *rule, top place.Place, _ int) {
		r.swap[top], r.fewest, r.made = No, 2, No
	}},
	{SwapMakesSwap, problem.Sum, 3, 0, 2, bySwap, asked, func(r *rule, top place.Place, _ int) {
		r.swap[top], r.made = No, Yes
	}},
	{NewPlace, problem.Sum, 2, 0, 2, nil, highest, func(r *rule, top place.Place, numbers int) {
		r.swap[top], r.none = Yes, top == place.Ones && numbers == 2
	}},
	{ThreeAddends, problem.Sum, 1, 0, 3, nil, anyPlace, func(r *rule, _ place.Place, numbers int) { r.none = numbers < 3 }},
	{AnySum, problem.Sum, 5, place.MostDigits, 2, nil, swapping, anything},

	{TakeWithinTen, problem.Difference, 1, 1, 2, nil, anyPlace, func(r *rule, _ place.Place, _ int) { r.high = tenOver }},
	{BackOverTen, problem.Difference, 2, 2, 2, nil, anyPlace, func(r *rule, _ place.Place, _ int) {
		r.swap[place.Ones], r.low, r.high = Yes, 11, 18
	}},
	{TakeNoSwap, problem.Difference, 2, 0, 2, nil, anyPlace, noneSwaps},
	{TakeOneSwapTens, problem.Difference, 2, 0, 2, inOnes, asked, func(r *rule, top place.Place, _ int) {
		r.only(top)
		r.swap[place.Ones], r.low = Yes, 20
	}},
	{TakeOneSwapHigher, problem.Difference, 3, 0, 2, inHigher, asked, func(r *rule, _ place.Place, _ int) {
		r.swap[place.Ones], r.fewest, r.most = No, 1, 1
	}},
	{TakeSeveralSwaps, problem.Difference, 3, 0, 2, inAll, asked, func(r *rule, _ place.Place, _ int) { r.fewest, r.cross = 2, No }},
	{AcrossOneZero, problem.Difference, 3, 0, 2, nil, acrossOne, func(r *rule, _ place.Place, _ int) { r.cross, r.row = Yes, No }},
	{AcrossZeros, problem.Difference, 4, 0, 2, nil, acrossMore, func(r *rule, _ place.Place, _ int) { r.cross, r.row = Yes, Yes }},
	{AnyDifference, problem.Difference, 5, place.MostDigits, 2, nil, swapping, anything},

	{EqualTrays, problem.Trays, 1, 0, 1, nil, anyPlace, func(r *rule, top place.Place, _ int) { r.only(top) }},
	{EqualTraysSwap, problem.Trays, 1, 0, 1, nil, swapping, func(r *rule, _ place.Place, _ int) { r.fewest = 1 }},
	{ShareEven, problem.Sharing, 1, 0, 1, nil, anyPlace, func(r *rule, top place.Place, _ int) {
		r.only(top)
		r.rest = No
	}},
	{ShareSwap, problem.Sharing, 2, 0, 1, nil, swapping, func(r *rule, _ place.Place, _ int) { r.fewest, r.rest = 1, No }},
	{ShareRemainder, problem.Sharing, 1, 0, 1, nil, leftOver, func(r *rule, _ place.Place, _ int) { r.rest = Yes }},
}

// noneSwaps is the rule of joining and taking with two digits or more and no swap.
func noneSwaps(r *rule, top place.Place, _ int) {
	r.only(top)
	r.none = top == place.Ones
}

// belongs is the order in which a typed problem of a kind is held against the
// stages: the first that it fits is its own. That a number has five or six digits
// comes first of all.
var belongs = map[task.Kind][]StageID{
	problem.Sum:        {AnySum, WithinTen, OverTen, ThreeAddends, NewPlace, SwapMakesSwap, SeveralSwaps, OneSwapOnes, OneSwapHigher, NoSwap},
	problem.Difference: {AnyDifference, TakeWithinTen, BackOverTen, AcrossZeros, AcrossOneZero, TakeSeveralSwaps, TakeOneSwapTens, TakeOneSwapHigher, TakeNoSwap},
	problem.Sharing:    {ShareRemainder, ShareSwap, ShareEven},
	problem.Trays:      {EqualTraysSwap, EqualTrays},
}

var byID = func() map[StageID]*definition {
	all := map[StageID]*definition{}
	for i := range definitions {
		all[definitions[i].id] = &definitions[i]
	}
	return all
}()

// Stages returns the stages that numbers can be chosen for, strand by strand in
// teaching order.
func Stages() []StageID {
	ids := make([]StageID, len(definitions))
	for i, d := range definitions {
		ids[i] = d.id
	}
	return ids
}

// Kind returns the kind of problem of a stage that numbers can be chosen for;
// empty for another stage.
func (s StageID) Kind() task.Kind { return s.defined().kind }

// ParseStage reads the id of a stage that numbers can be chosen for.
func ParseStage(id string) (StageID, error) {
	if byID[StageID(id)] != nil {
		return StageID(id), nil
	}
	return "", fmt.Errorf("%w: %q", ErrStage, id)
}

// rule returns what the stage asks when the numbers' highest place is top and
// there are so many. No stage asks nothing.
func (s StageID) rule(top place.Place, numbers int) rule {
	r := rule{most: manySwaps}
	s.defined().rule(&r, top, numbers)
	return r
}

// defined is the definition of a stage; of no stage one that asks nothing.
func (s StageID) defined() definition {
	if d := byID[s]; d != nil {
		return *d
	}
	return definition{least: 1, numbers: 2, rule: anything}
}

// Least returns how many digits the longest number needs so that the stage has
// a problem at all.
func (s StageID) Least() int { return s.defined().least }

// Most returns how many digits a number of the stage has at most where the
// numbers are meant for pieces.
func (s StageID) Most() int {
	if most := s.defined().most; most > 0 {
		return most
	}
	return int(place.TopPiece) + 1
}

// Numbers returns how many numbers the stage needs at least.
func (s StageID) Numbers() int { return s.defined().numbers }

// Fit makes lengths of numbers suit the stage, as when it is picked: as many as it
// needs, and no more than two but where there may be; the longest no shorter than
// it needs, and none longer. No lengths become short ones.
func (s StageID) Fit(digits []int) []int {
	const short = 2
	fitted := slices.Clone(digits)
	if len(fitted) == 0 {
		fitted = []int{short}
	}
	for len(fitted) < s.Numbers() {
		fitted = append(fitted, fitted[len(fitted)-1])
	}
	if s != ThreeAddends {
		fitted = fitted[:s.Numbers()]
	}
	grow := slices.Max(fitted) < s.Least()
	for i, d := range fitted {
		if grow {
			d = s.Least()
		}
		fitted[i] = min(d, s.Most())
	}
	if s == BackOverTen { // a single digit is taken
		fitted = []int{2, 1}
	}
	return fitted
}

// Laid tells whether problems of the stage can be laid out with pieces.
func (s StageID) Laid() bool {
	return s.Kind() != "" && s.Least() <= int(place.TopPiece)+1
}

// Accepts tells whether a problem is one of the stage: its numbers are fed to the
// rule by which problems of the stage are counted and drawn. It need not be one
// that is drawn: something may be taken from as much, and a number may be 0.
func (s StageID) Accepts(p problem.Problem) bool {
	return s.Kind() == p.Kind && p.Valid() == nil && testsOf(p, s)[0].passes(p.Numbers)
}

// test is what problems of some lengths are fed to. It is only read.
type test struct {
	stage   StageID
	space   *Space
	columns []column
}

// passes tells whether numbers of its lengths are right for the stage.
func (t *test) passes(numbers []place.Number) bool {
	at := state{}
	for i := range t.columns {
		col := &t.columns[i]
		filled, ok := col.follow(numbers)
		if !ok {
			return false
		}
		if at, ok = t.space.step(col, at, filled); !ok {
			return false
		}
	}
	return t.space.keeps(at)
}

// mostShaped is how many numbers a problem has at most whose tests are kept: of more there are
// too many shapes.
const mostShaped = 3

// shape is what tests depend on.
type shape struct {
	kind   task.Kind
	stage  StageID // none for all that a problem can belong to
	by     int
	digits [mostShaped]int
}

var tests sync.Map // by the shape

// testsOf are the tests for a problem of a stage, or else of all stages that it can belong to, in
// their order. Every record is put to them, so that they are made once for a shape.
func testsOf(p problem.Problem, stage StageID) []test {
	key, numbers := shape{kind: p.Kind, stage: stage}, p.Numbers
	if p.Kind == problem.Sharing || p.Kind == problem.Trays {
		numbers, key.by = numbers[:1], int(numbers[1])
	}
	kept := len(numbers) <= mostShaped
	if kept {
		for i, n := range numbers {
			key.digits[i] = n.Length()
		}
		if known, has := tests.Load(key); has {
			return known.([]test)
		}
	}
	c := Choice{Kind: p.Kind, By: key.by}
	for _, n := range numbers {
		c.Digits = append(c.Digits, n.Length())
	}
	stages := []StageID{stage}
	if stage == "" {
		longest := int(place.HighestOf(p.Numbers)) + 1
		stages = slices.DeleteFunc(slices.Clone(belongs[p.Kind]), func(s StageID) bool { return longest < s.Least() })
	}
	var made []test
	for _, c.Stage = range stages {
		made = append(made, test{c.Stage, c.ruled(), c.columns()})
	}
	if kept {
		tests.Store(key, made)
	}
	return made
}

// About tells whether work in some places of a problem of the stage is about what the stage
// teaches: a swap that it asks for, a zero that is crossed, what is left over.
func (s StageID) About(p problem.Problem, part place.Set) bool {
	d := byID[s]
	return d == nil || d.about(*d, p, part)
}

// StageOf returns the stage that a typed problem belongs to; none for a kind
// without stages.
func StageOf(p problem.Problem) StageID {
	if p.Valid() != nil {
		return ""
	}
	for _, one := range testsOf(p, "") {
		if one.passes(p.Numbers) {
			return one.stage
		}
	}
	return ""
}

// Range is how far the numbers of a class go, addends and results: "1000".
type Range string

// Ranges returns all ranges, the smallest first.
func Ranges() []Range { return []Range{"20", "100", "1000", "10000", "1000000"} }

// Widest is the range that leaves out no stage.
const Widest Range = "1000000"

// Limit is the largest number of the range; 0, which is no limit, for a range that
// is not known.
func (r Range) Limit() place.Number {
	n, _ := strconv.Atoi(string(r))
	return place.Number(n)
}

// opening is the stage with which a kind of problem is first chosen for.
var opening = map[task.Kind]StageID{problem.Sum: OneSwapOnes, problem.Difference: TakeOneSwapTens, problem.Sharing: ShareEven, problem.Trays: EqualTrays}

// Opening returns the stage with which a kind of problem is first chosen for, of those
// that have numbers below a limit: the usual one, or else the one that comes before it.
func Opening(kind task.Kind, limit place.Number) StageID {
	var last StageID
	for _, d := range definitions {
		if d.kind == kind && d.id.Within(limit) {
			last = d.id
		}
		if d.id == opening[kind] && last != "" {
			break
		}
	}
	return last
}

// Within tells whether the stage has numbers below a range, or without a limit
// where it is 0.
func (s StageID) Within(limit place.Number) bool { return reached(s, "", limit) }

// Asks returns the skills each of which the stage asks for, of those that numbers
// below a range can show, or without a limit where it is 0. What only the round
// number at its end could show is not asked for.
func (s StageID) Asks(limit place.Number) []task.Skill {
	asks := []task.Skill{}
	for _, skill := range s.defined().asks {
		if reached(s, skill, limit) {
			asks = append(asks, skill)
		}
	}
	return asks
}

type reach struct {
	stage StageID
	skill task.Skill
	limit place.Number
}

// reaches remembers what was counted: the rules never change.
var reaches sync.Map

// reached tells whether a stage has a problem below a limit that shows a skill.
func reached(s StageID, skill task.Skill, limit place.Number) bool {
	key := reach{s, skill, limit}
	if known, ok := reaches.Load(key); ok {
		return known.(bool)
	}
	found := byID[s] != nil && slices.ContainsFunc(byID[s].shapes(), func(digits []int) bool {
		c := Choice{Kind: s.Kind(), Stage: s, Digits: digits}
		if limit > 0 {
			c.Most = limit - 1
		}
		for p := range c.Top() + 1 {
			if skill == problem.Swap(p) {
				c.Swap[p] = Yes
			}
			if skill == problem.Made(p) {
				c.Made[p] = Yes
			}
		}
		shown := skill == "" || c.Swap != Wants{} || c.Made != Wants{}
		return shown && !c.fits().IsZero()
	})
	reaches.Store(key, found)
	return found
}

// shapes are the lengths with which a stage is looked for: one number is the
// longest, and the others are alike.
func (d *definition) shapes() [][]int {
	var all [][]int
	for longest := d.least; longest <= place.MostDigits; longest++ {
		if d.numbers == 1 {
			all = append(all, []int{longest})
			continue
		}
		for other := longest; other >= 1; other-- {
			all = append(all, append([]int{longest}, slices.Repeat([]int{other}, d.numbers-1)...))
		}
	}
	return all
}
