package swap

import (
	"bytes"
	"encoding/json"
	"fmt"
	"slices"
	"strconv"
	"strings"

	"vineswap/core/place"
	"vineswap/core/problem"
)

// Zone is a place on the mat where pieces lie. Joining uses Tray(1) to Tray(n)
// and Joined; taking uses Start and Taken; sharing Start, Share(1) to
// Share(n) and Remainder; grouping Start, Groups and Remainder.
type Zone string

// The zones that have one name. Store is the shelf stock that swaps are made
// with: pieces move to and from it, and it is no tray, so it never stands in
// Zones.
const (
	Store     Zone = "store"
	Joined    Zone = "joined"
	Start     Zone = "start"
	Taken     Zone = "taken"
	Groups    Zone = "groups"
	Remainder Zone = "remainder"
)

// Tray is the tray of the i-th addend, counted from 1.
func Tray(i int) Zone { return Zone("tray-" + strconv.Itoa(i)) }

// Share is the tray of the i-th sharer, counted from 1.
func Share(i int) Zone { return Zone("share-" + strconv.Itoa(i)) }

// Pile is what lies in one zone.
type Pile struct {
	Zone   Zone
	Pieces place.Holding
}

// Zones is every zone in which pieces lie, in order of the work; zones with
// nothing in them are left out.
type Zones []Pile

// In returns what lies in a zone.
func (z Zones) In(zone Zone) place.Holding {
	for _, pile := range z {
		if pile.Zone == zone {
			return pile.Pieces
		}
	}
	return place.Holding{}
}

// Together returns all pieces on the mat.
func (z Zones) Together() place.Holding {
	var sum place.Holding
	for _, pile := range z {
		sum = sum.Plus(pile.Pieces)
	}
	return sum
}

// after returns the zones with the moves made, as a copy.
func (z Zones) after(moves []Move) Zones {
	next := append(make(Zones, 0, len(z)+1), z...)
	for _, m := range moves {
		next = next.add(m.From, place.Only(m.Place, -m.Count))
		next = next.add(m.To, place.Only(m.Place, m.Count))
	}
	return slices.DeleteFunc(next, func(p Pile) bool { return p.Pieces == place.Holding{} })
}

func (z Zones) add(zone Zone, pieces place.Holding) Zones {
	if zone == Store {
		return z
	}
	for i := range z {
		if z[i].Zone == zone {
			z[i].Pieces = z[i].Pieces.Plus(pieces)
			return z
		}
	}
	return append(z, Pile{zone, pieces})
}

// MarshalJSON writes an object of holdings by zone.
func (z Zones) MarshalJSON() ([]byte, error) {
	var out bytes.Buffer
	out.WriteByte('{')
	for i, pile := range z {
		if i > 0 {
			out.WriteByte(',')
		}
		pieces, err := json.Marshal(pile.Pieces)
		if err != nil {
			return nil, err
		}
		fmt.Fprintf(&out, "%q:%s", pile.Zone, pieces)
	}
	out.WriteByte('}')
	return out.Bytes(), nil
}

// Move is pieces of one place going from one zone to another.
type Move struct {
	From, To Zone
	Place    place.Place
	Count    int
}

// Swap is one single swap: ten of From for one of To when To is the higher
// place, one of From for ten of To when it is the lower.
type Swap struct {
	From place.Place `json:"from"`
	To   place.Place `json:"to"`
	// Zeros is how many zeros the swap goes over as one; it counts for one more.
	Zeros int `json:"zeros,omitempty"`
}

// String writes the swap as "ones to tens", "thousands to ones over 2".
func (s Swap) String() string {
	if s.Zeros > 0 {
		return fmt.Sprintf("%v to %v over %d", s.From, s.To, s.Zeros)
	}
	return fmt.Sprintf("%v to %v", s.From, s.To)
}

// StepKind is what happens in a step.
type StepKind string

// The kinds of step, in the order in which joining makes them; then those that
// taking away has of its own; then those of sharing and grouping; then those of
// the check.
const (
	Estimate StepKind = "estimate" // how much it will be about, before anything is counted
	SetOut   StepKind = "set-out"  // trays and mat lie ready, nothing on them
	Build    StepKind = "build"    // the pieces of one number are fetched onto its tray
	Label    StepKind = "label"    // small cards are laid on that tray
	Join     StepKind = "join"     // all pieces are pushed together
	CountUp  StepKind = "count"    // the pile of one place is counted
	Stop     StepKind = "stop"     // ten are gathered; nothing has changed hands yet
	MakeSwap StepKind = "swap"     // ten go to the store, one of the next place joins its pile
	Write    StepKind = "write"    // what stays gets its large card and its digit
	Slide    StepKind = "slide"    // the large cards are slid together
	ReadOut  StepKind = "read"     // the result is read as a number
	SayBack  StepKind = "say-back" // the story of the work is said back
	Sentence StepKind = "sentence" // the answer is put in a sentence with its unit

	Look     StepKind = "look"      // is there enough in this place? how many are there to deal?
	SwapDown StepKind = "swap-down" // one of a place goes to the store, ten of the place below come back
	TakeAway StepKind = "take-away" // what is to go from this place is taken away

	Deal      StepKind = "deal"       // what lies in a place is dealt round evenly
	TakeGroup StepKind = "take-group" // one group is taken off
	Leave     StepKind = "leave"      // what cannot be dealt or grouped is laid aside

	CountPieces StepKind = "count-pieces" // the number of pieces and of swaps tell whether it is right
	OtherWay    StepKind = "other-way"    // joined in another order, or counted in equal steps
	Match       StepKind = "match"        // every sharer lays small cards, and all read alike
	PutBack     StepKind = "put-back"     // what went is laid back to what stayed
	SwapUp      StepKind = "swap-up"      // tens of a place that was put back are swapped up again
	Compare     StepKind = "compare"      // the number that was begun with has returned
)

// Phase is a stretch of the work that one looks for again by name.
type Phase string

// The phases, in order. Work is done once for each place; Swapping too, where
// taking away makes all swaps first.
const (
	Before   Phase = "before"
	LayOut   Phase = "lay-out"
	Joining  Phase = "join"
	Swapping Phase = "swaps"
	Work     Phase = "work"
	Reading  Phase = "read"
	Checking Phase = "check"
)

// Position is a stable key of a step: the settings of a class and later
// versions may change how many steps there are, and a position still finds the
// nearest. Place counts in the phases Work and Swapping and is Ones elsewhere; Ordinal
// counts from 0 within the phase and place.
type Position struct {
	Phase   Phase
	Place   place.Place
	Ordinal int
}

// placed tells whether a phase is done place by place.
func (p Phase) placed() bool { return p == Work || p == Swapping }

// String writes the position as it is kept: "lay-out/2", "work/tens/1".
func (p Position) String() string {
	if p.Phase.placed() {
		return fmt.Sprintf("%s/%s/%d", p.Phase, p.Place, p.Ordinal)
	}
	return fmt.Sprintf("%s/%d", p.Phase, p.Ordinal)
}

// ParsePosition reads what Position.String writes.
func ParsePosition(text string) (Position, error) {
	parts := strings.Split(text, "/")
	pos := Position{Phase: Phase(parts[0])}
	known := slices.Contains([]Phase{Before, LayOut, Joining, Swapping, Work, Reading, Checking}, pos.Phase)
	wanted := 2
	if pos.Phase.placed() {
		wanted = 3
	}
	if !known || len(parts) != wanted {
		return Position{}, fmt.Errorf("%q is not a position in a lesson", text)
	}
	ordinal, err := strconv.Atoi(parts[wanted-1])
	if err != nil || ordinal < 0 {
		return Position{}, fmt.Errorf("%q is not a position in a lesson", text)
	}
	pos.Ordinal = ordinal
	if pos.Phase.placed() {
		if pos.Place, err = place.Parse(parts[1]); err != nil {
			return Position{}, fmt.Errorf("%q is not a position in a lesson: %w", text, err)
		}
	}
	return pos, nil
}

// Role is the part that a cell plays in the written column, so that each
// notation can set it in its own way.
type Role string

// The roles of cells in a written sum, difference or sharing.
const (
	Addend  Role = "addend"  // a digit of a number; Row says of which
	Carried Role = "carried" // what came up into this place
	Result  Role = "result"  // a digit under the line
	Larger  Role = "larger"  // a digit of the number that is taken from, or shared out
	Smaller Role = "smaller" // a digit of the number that is taken
	Changed Role = "changed" // what stands in a place after a swap down, ten and more too
	Brought Role = "brought" // in sharing: how many tens came down into this place, so far
)

// Cell is one digit of the written column.
type Cell struct {
	Role  Role
	Row   int // which number, counted from 0, for Addend; 0 otherwise
	Place place.Place
	Digit int
}

// Step is one step of the work and the state after it.
type Step struct {
	Kind     StepKind
	At       Position
	Tray     int         // the tray that is built or labelled, from 1; 0 elsewhere
	Ten      int         // which ten of this place is gathered or swapped, from 1; 0 elsewhere
	From, To place.Place // for SwapDown the place that gives one, and the place that gets ten; for SwapUp the other way
	Count    int         // pieces counted: in the pile for CountUp, Look and Write, those that go for TakeAway and SwapUp, ten for Stop and MakeSwap
	Moves    []Move      // what moves in this step
	Zones    Zones       // where all pieces lie afterwards
	Column   []Cell      // the column as far as it is written afterwards
	Cards    []place.Number
	// Cards are the cards laid in this step: the small cards of a tray for
	// Label, the one large card of the place for Write (none for a 0).
}

// Trace is a problem worked from laying out to saying back.
type Trace struct {
	Problem   problem.Problem
	Method    Method
	Answer    place.Number
	Remainder place.Number   // of sharing and grouping
	Columns   []place.Column // in the order in which they are worked; grouping has none
	Swaps     []Swap         // each single swap in the order made
	Steps     []Step
}

// Find returns the index of the step at a position. Where the trace has no
// such step it returns the nearest earlier one of the same phase and place,
// then the first of the phase, then 0. A position among swaps that are made
// first, in a trace that swaps as it goes, is looked for in the work.
func (t Trace) Find(at Position) int {
	if at.Phase == Swapping && !slices.ContainsFunc(t.Steps, func(s Step) bool { return s.At.Phase == Swapping }) {
		at.Phase = Work
	}
	best := -1
	for i, s := range t.Steps {
		if s.At.Phase != at.Phase {
			continue
		}
		if s.At.Place == at.Place && s.At.Ordinal <= at.Ordinal || best < 0 {
			best = i
		}
	}
	return max(best, 0)
}

// Fullest returns, for each place, the most pieces of it that lie on the mat
// at any moment of the trace.
func (t Trace) Fullest() place.Holding {
	var most place.Holding
	for _, s := range t.Steps {
		most = most.Most(s.Zones.Together())
	}
	return most
}

// Verify replays the moves from an empty mat and says which step breaks a law:
// a pile below nothing, zones that are not what the moves make, a value that
// changes once the laying out is over. It knows no operation, so every trace
// is held to it.
func (t Trace) Verify() error {
	var zones Zones
	laid := 0
	for i, s := range t.Steps {
		zones = zones.after(s.Moves)
		if !slices.Equal(zones, s.Zones) {
			return fmt.Errorf("step %d, %s: the moves make %v, the step says %v", i, s.Kind, zones, s.Zones)
		}
		for _, pile := range s.Zones {
			if pile.Pieces.AnyBelowZero() {
				return fmt.Errorf("step %d, %s: fewer than no pieces in %s", i, s.Kind, pile.Zone)
			}
		}
		value := s.Zones.Together().Value()
		if s.At.Phase == LayOut {
			laid = value
		} else if value != laid {
			return fmt.Errorf("step %d, %s: the pieces are worth %d, they were %d", i, s.Kind, value, laid)
		}
	}
	return nil
}

// Worked are the columns in the order in which they are worked: what is shared begins
// at the highest place.
func (t Trace) Worked() []place.Column {
	columns := slices.Clone(t.Columns)
	if t.Problem.Kind == problem.Sharing {
		slices.Reverse(columns)
	}
	return columns
}
