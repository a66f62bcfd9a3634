package sheet

import (
	"errors"
	"fmt"
	"slices"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/number"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/task"
)

// Kind is a kind of sheet.
type Kind string

// The kinds of sheet.
const (
	Column      Kind = "column"       // sums and differences, digits under one another
	Lying       Kind = "lying"        // 47 + 25 = …
	RingTens    Kind = "ring-tens"    // scattered things, each ten ringed
	DrawnTens   Kind = "drawn-tens"   // a line for ten, a dot for one: read and drawn
	TensAndOnes Kind = "tens-ones"    // 47 = … tens … ones
	Frames      Kind = "frames"       // ten frames read and filled
	Teens       Kind = "teens"        // the ten coloured, and the ones
	Match       Kind = "match"        // pictures joined to their numbers
	Picture     Kind = "ring-picture" // the picture that shows 14 is ringed
	Minute      Kind = "minute"       // facts for one minute
	Cards       Kind = "cards"        // number cards to cut
	Record      Kind = "record"       // the class's names, for the clipboard
	Gather      Kind = "gather"       // what a task needs
	Strip       Kind = "strip"        // a worked task to take home
)

// Key is where a sheet has what is right.
type Key string

// The places of a key.
const (
	AtFoot Key = "foot" // to be cut off
	OnPage Key = "page" // on a page of its own
	NoKey  Key = "none"
)

// Keys returns the places of a key, the usual one first.
func Keys() []Key { return []Key{AtFoot, OnPage, NoKey} }

// rules is what is known of a kind of sheet: how many tasks it has, the usual count first in
// usual, and in which ways a number is asked; problems is set where it has sums and others.
type rules struct {
	kind     Kind
	counts   []int
	usual    int
	problems []task.Kind
	least    int            // the fewest digits of the longest number
	only     choose.StageID // the one stage that it has; empty for all that fit
	typical  choose.StageID // that is drawn for where nothing else is known
	ways     [][2]string
	each     bool // each child can have its own numbers
}

// kinds are defined once: what can be asked for, drawn and laid out follows.
var kinds = []rules{
	{kind: Column, typical: choose.OneSwapOnes, counts: []int{6, 9, 12}, usual: 9, problems: []task.Kind{problem.Sum, problem.Difference}, least: 2, each: true},
	{kind: Lying, typical: choose.OneSwapOnes, counts: []int{6, 8, 10, 12, 16, 20}, usual: 12, problems: []task.Kind{problem.Sum, problem.Difference, problem.Sharing, problem.Trays}, least: 1, each: true},
	{kind: RingTens, typical: number.TensAndOnes, counts: []int{1, 2, 4}, usual: 2, ways: [][2]string{{"crowd", "ring"}}, each: true},
	{kind: DrawnTens, typical: number.TensAndOnes, counts: []int{4, 6, 8}, usual: 6, ways: [][2]string{{"drawn", "write"}, {"numeral", "draw"}}, each: true},
	{kind: TensAndOnes, typical: number.TensAndOnes, counts: []int{6, 8, 10, 12}, usual: 10, ways: [][2]string{{"numeral", "units"}, {"units", "write"}}, each: true},
	{kind: Frames, typical: number.TenAndOnes, counts: []int{4, 6, 8}, usual: 6, ways: [][2]string{{"frames", "write"}, {"numeral", "fill"}}, each: true},
	{kind: Teens, typical: number.TenAndOnes, counts: []int{4, 6}, usual: 6, ways: [][2]string{{"numeral", "fill"}}, only: number.TenAndOnes, each: true},
	{kind: Match, typical: number.WritingTeens, counts: []int{1, 2}, usual: 2, ways: [][2]string{{"numeral", "match"}}, each: true},
	{kind: Picture, typical: number.WritingTeens, counts: []int{3, 4, 5}, usual: 4, ways: [][2]string{{"numeral", "pick"}}, each: true},
	{kind: Minute, counts: []int{20, 30, 40}, usual: 30},
	{kind: Cards}, {kind: Record}, {kind: Gather, typical: choose.OneSwapOnes, problems: problem.Kinds(), least: 1}, {kind: Strip, typical: choose.OneSwapOnes, problems: []task.Kind{problem.Sum, problem.Difference, problem.Sharing, problem.Trays}, least: 1},
}

// Kinds returns all kinds of sheet.
func Kinds() []Kind {
	list := make([]Kind, len(kinds))
	for i, k := range kinds {
		list[i] = k.kind
	}
	return list
}

func (k Kind) rules() rules {
	if i := slices.IndexFunc(kinds, func(r rules) bool { return r.kind == k }); i >= 0 {
		return kinds[i]
	}
	return rules{}
}

// Counts returns how many tasks a sheet of the kind can have, and how many it has usually;
// none for a kind without tasks.
func (k Kind) Counts() (counts []int, usual int) {
	r := k.rules()
	return r.counts, r.usual
}

// Typical is the stage that tasks of the kind are drawn for where nothing else is known; none
// for a kind without stages.
func (k Kind) Typical() choose.StageID { return k.rules().typical }

// Each tells whether each child can have a sheet with numbers of its own.
func (k Kind) Each() bool { return k.rules().each }

// Answered tells whether answers to the sheet's tasks can be typed back.
func (k Kind) Answered() bool { return k.Each() }

// TakesTyped tells whether it can have numbers of the guide's own.
func (k Kind) TakesTyped() bool { return k == Column || k == Lying || k == Strip || k == Gather }

// HasColumns tells whether there are boxes for what comes up, and marks of the places.
func (k Kind) HasColumns() bool { return k == Column }

// HasRoom tells whether there can be room for quick drawings.
func (k Kind) HasRoom() bool { return k == Column || k == Lying }

// Errors of a sheet that cannot be made.
var (
	ErrKind   = errors.New("there is no such sheet")
	ErrPaper  = errors.New("paper is a4 or letter")
	ErrKey    = errors.New("a key stands at the foot, on a page of its own, or nowhere: foot, page or none")
	ErrCount  = errors.New("a sheet cannot have so many tasks")
	ErrStage  = errors.New("this sheet has no tasks of this stage")
	ErrStrand = errors.New("this sheet has no tasks of these stages")
	ErrFacts  = errors.New("facts are bonds, doubles, up-to-ten, over-ten or take-facts")
	ErrTask   = errors.New("this task does not go onto this sheet")
	ErrNone   = errors.New("there are no tasks for this sheet")
	ErrDays   = fmt.Errorf("tasks that a child had lately are left out for 0 to %d days", MostDays)
)

// MostDays is for how many days tasks are left out that a child had.
const MostDays = 200

// Spec is a sheet as it is asked for.
type Spec struct {
	Kind   Kind           `json:"kind"`
	Paper  Paper          `json:"paper"`
	Key    Key            `json:"key"`
	Count  int            `json:"count,omitempty"`  // of tasks on a sheet
	Boxes  bool           `json:"boxes,omitempty"`  // for what comes up, or is crossed out
	Signs  bool           `json:"signs,omitempty"`  // the marks of the places
	Room   bool           `json:"room,omitempty"`   // for quick drawings
	Strand ladder.Strand  `json:"strand,omitempty"` // of whose stages the tasks are; of any where empty
	Stage  choose.StageID `json:"stage,omitempty"`  // of all children alike; of each child its own where empty
	Facts  Facts          `json:"facts,omitempty"`  // of a minute
	Days   int            `json:"days,omitempty"`   // what a child had within so many days is left out
	Seed   uint64         `json:"seed"`
}

// Usual is a sheet of a kind as it is asked for first.
func Usual(k Kind) Spec {
	s := Spec{Kind: k, Paper: A4, Key: AtFoot, Count: k.rules().usual, Days: 30}
	s.Boxes, s.Signs = k.HasColumns(), k.HasColumns()
	if k == Minute {
		s.Facts = Bonds
	}
	return s
}

// Valid tells why a sheet cannot be made; nil when it can.
func (s Spec) Valid() error {
	r := s.Kind.rules()
	switch {
	case r.kind == "":
		return fmt.Errorf("%w: %q", ErrKind, s.Kind)
	case !slices.Contains(Papers(), s.Paper):
		return fmt.Errorf("%w, not %q", ErrPaper, s.Paper)
	case !slices.Contains(Keys(), s.Key):
		return fmt.Errorf("%w, not %q", ErrKey, s.Key)
	case r.counts != nil && !slices.Contains(r.counts, s.Count):
		return fmt.Errorf("%w: %d; it has %s", ErrCount, s.Count, either(r.counts))
	case s.Kind == Minute && !slices.Contains(AllFacts(), s.Facts):
		return fmt.Errorf("%w, not %q", ErrFacts, s.Facts)
	case s.Days < 0 || s.Days > MostDays:
		return fmt.Errorf("%w, not %d", ErrDays, s.Days)
	case s.Strand != "" && !slices.ContainsFunc(s.Kind.Stages(), s.in):
		return fmt.Errorf("%w: %q", ErrStrand, s.Strand)
	case s.Stage != "" && !slices.Contains(s.Kind.Stages(), s.Stage):
		return fmt.Errorf("%w: %q", ErrStage, s.Stage)
	}
	return nil
}

// in tells whether a stage is one of the strand that is asked for.
func (s Spec) in(id choose.StageID) bool {
	return s.Strand == "" || ladder.StrandOf(id) == s.Strand
}

func either(counts []int) string {
	text := fmt.Sprint(counts[0])
	for i, n := range counts[1:] {
		if i == len(counts)-2 {
			text += " or"
		} else {
			text += ","
		}
		text += fmt.Sprint(" ", n)
	}
	return text
}

// Manner is how a child works on the sheet: with room for drawings, and wherever there is a
// picture, drawn; in the column; else in the head. It is one of the stage's own manners.
func (s Spec) Manner(stage choose.StageID, t task.Task) book.Manner {
	wanted := []book.Manner{book.Head}
	switch {
	case s.Room:
		wanted = []book.Manner{book.Drawn}
	case s.Kind == Column:
		wanted = []book.Manner{book.Column}
	case s.Kind == Lying:
	default:
		if a, is := number.From(t); !is || a.Hand() == number.OnPaper || !slices.Contains([]number.Shown{number.Numeral, number.Units}, a.Shown) || a.Answered == number.Fill {
			wanted = []book.Manner{book.Drawn, book.Head}
		}
	}
	known, _ := ladder.StageByID(stage)
	for _, m := range wanted {
		if slices.Contains(known.Manners, m) {
			return m
		}
	}
	return book.Head
}

// Stages lists the stages that a kind of sheet has tasks of, in teaching order.
func (k Kind) Stages() []choose.StageID {
	r := k.rules()
	var list []choose.StageID
	for _, strand := range ladder.Strands() {
		for _, stage := range ladder.Stages(strand) {
			if r.has(stage.ID) {
				list = append(list, stage.ID)
			}
		}
	}
	return list
}

func (r rules) has(id choose.StageID) bool {
	if kind := id.Kind(); kind != "" {
		return slices.Contains(r.problems, kind) && id.Fit(nil) != nil && slices.Max(id.Fit(nil)) >= r.least
	}
	spaces := r.spaces(id, 0)
	few := slices.ContainsFunc(spaces, func(s number.Space) bool { return s.Count() < r.counts[0] })
	return (r.only == "" || r.only == id) && len(spaces) > 0 && !few
}

// spaces are the numbers of a stage in each way in which the kind of sheet asks them.
func (r rules) spaces(id choose.StageID, limit place.Number) []number.Space {
	if limit == 0 || limit > mostDrawn {
		limit = mostDrawn
	}
	if r.kind == RingTens {
		limit = min(limit, mostRinged)
	}
	var list []number.Space
	for _, w := range r.ways {
		c := number.Choice{Stage: id, Shown: []number.Shown{number.Shown(w[0])}, Answered: []number.Answered{number.Answered(w[1])}}
		if c, err := c.Fitted(limit); err == nil && c.Shown[0] == number.Shown(w[0]) && c.Answered[0] == number.Answered(w[1]) && c.Space().Count() > 0 {
			list = append(list, c.Space())
		}
	}
	return list
}

// mostDrawn is below which numbers are that a sheet shows in pictures or asks in places.
const mostDrawn place.Number = 1_000

// mostRinged is how many things are scattered on a sheet at most.
const mostRinged place.Number = 60

// Takes tells why a task cannot go onto a kind of sheet; nil when it can.
func (k Kind) Takes(t task.Task) error {
	r := k.rules()
	if p, is := problem.From(t); is {
		if slices.Contains(r.problems, p.Kind) {
			return nil
		}
		return fmt.Errorf("%w: %s; %s", ErrTask, t, r.asks())
	}
	a, is := number.From(t)
	if is && slices.Contains(r.ways, [2]string{string(a.Shown), string(a.Answered)}) {
		return nil
	}
	return fmt.Errorf("%w: %s; %s", ErrTask, t, r.asks())
}

// asks says what a kind of sheet has.
func (r rules) asks() string {
	switch {
	case r.kind == Column:
		return "a column sheet has sums and differences, such as 47+25 and 503-128"
	case r.kind == Lying:
		return "a lying sheet has sums, differences, sharing and equal groups, such as 47+25 and 84/4"
	case r.kind == Strip:
		return "a strip shows how a sum, a difference, sharing or equal groups are worked, such as 47+25"
	case r.ways != nil:
		return fmt.Sprintf("a sheet %s has numbers that are drawn by the seed", r.kind)
	}
	return fmt.Sprintf("a sheet %s has no tasks", r.kind)
}
