// Package trace is the work at a task, step by step: what moves, where all pieces lie
// after each step, what is written, and under which position a step is found again. It
// knows no task and has no words: the rooms that work tasks make traces and register
// how (Register), and the mat, the book, the sentences and the terminal are readers.
package trace

import (
	"bytes"
	"encoding/json"
	"fmt"
	"slices"
	"strconv"
	"strings"

	"vineswap/core/piece"
	"vineswap/core/place"
	"vineswap/core/task"
)

// Zone is a part of the mat where pieces lie.
type Zone string

// Store is the shelf stock that pieces come from and go back to. It is no tray, so it
// never stands in Zones.
const Store Zone = "store"

// The zones of what no longer belongs to the number that is worked, or not yet: what a swap
// has laid aside, what lies beside to be compared.
const (
	Aside  Zone = "aside"
	Beside Zone = "beside"
)

// counts tells whether what lies in the zone is worth something in the work.
func (z Zone) counts() bool { return z != Aside && z != Beside }

// Pile is what lies in one zone.
type Pile struct {
	Zone   Zone
	Pieces piece.Holding
}

// Zones is every zone in which pieces lie, in order of the work; zones with
// nothing in them are left out.
type Zones []Pile

// In returns what lies in a zone.
func (z Zones) In(zone Zone) piece.Holding {
	for _, pile := range z {
		if pile.Zone == zone {
			return pile.Pieces
		}
	}
	return piece.Holding{}
}

// Together returns all pieces on the mat.
func (z Zones) Together() piece.Holding {
	var sum piece.Holding
	for _, pile := range z {
		sum = sum.Plus(pile.Pieces)
	}
	return sum
}

// worth returns what all pieces of the work are worth together.
func (z Zones) worth() int {
	sum := 0
	for _, pile := range z {
		if pile.Zone.counts() {
			sum += pile.Pieces.Value()
		}
	}
	return sum
}

// After returns the zones with the moves made, as a copy.
func (z Zones) After(moves []Move) Zones {
	next := append(make(Zones, 0, len(z)+1), z...)
	for _, m := range moves {
		next = next.add(m.From, piece.Only(m.Piece, -m.Count))
		next = next.add(m.To, piece.Only(m.Piece, m.Count))
	}
	return slices.DeleteFunc(next, func(p Pile) bool { return p.Pieces == piece.Holding{} })
}

func (z Zones) add(zone Zone, pieces piece.Holding) Zones {
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

// Move is pieces of one kind going from one zone to another.
type Move struct {
	From, To Zone
	Piece    piece.Piece
	Count    int
}

// StepKind is what happens in a step; the rooms that work tasks name their own.
type StepKind string

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

	Covering Phase = "cover" // full tens are covered, before it is counted on from them
	Counting Phase = "count" // things are counted one after another, or ten by ten
	Writing  Phase = "write" // what was counted is written
	Folding  Phase = "fold"  // bars are laid side by side
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
	known := slices.Contains([]Phase{Before, LayOut, Joining, Swapping, Work, Reading, Checking, Covering, Counting, Writing, Folding}, pos.Phase)
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
	From, To place.Place // for SwapDown the place that gives one, and the place that gets ten; for SwapUp the other way; of a number alone To is the place that a step is about
	Count    int         // pieces counted: in the pile for CountUp, Look and Write, those that go for TakeAway and SwapUp, ten for Stop and MakeSwap
	Moves    []Move      // what moves in this step
	Zones    Zones       // where all pieces lie afterwards
	Column   []Cell      // the column as far as it is written afterwards
	Half     bool        // a swap is half made: what lies there is worth the same again when it is whole
	Cards    []place.Number
	// Cards are the cards laid in this step: the small cards of a tray for
	// Label, the one large card of the place for Write (none for a 0).
}

// Scene names how the mat of a task is drawn; there is one component for each.
type Scene string

// Problem is the scene of problems: trays, pieces by place, cards and a column.
const Problem Scene = "problem"

// Thing is something that is fetched for a task besides its pieces.
type Thing string

// Trace is a task worked from laying out to saying back.
type Trace struct {
	Task  task.Task
	Scene Scene
	Steps []Step
	// Things are what is to be fetched besides pieces, each with how many of it.
	Things []Fetch
	// Own is what the room that worked it knows besides; only that room reads it.
	Own any
}

// Fetch is how many of something are to be fetched.
type Fetch struct {
	Thing Thing
	Count int
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
func (t Trace) Fullest() piece.Holding {
	var most piece.Holding
	for _, s := range t.Steps {
		most = most.Most(s.Zones.Together())
	}
	return most
}

// Verify replays the moves from an empty mat and says which step breaks a law:
// a pile below nothing, zones that are not what the moves make, a value that
// changes once the laying out is over, but in the midst of a swap. It knows no operation, so every trace
// is held to it.
func (t Trace) Verify() error {
	var zones Zones
	laid := 0
	for i, s := range t.Steps {
		zones = zones.After(s.Moves)
		if !slices.Equal(zones, s.Zones) {
			return fmt.Errorf("step %d, %s: the moves make %v, the step says %v", i, s.Kind, zones, s.Zones)
		}
		for _, pile := range s.Zones {
			if pile.Pieces.AnyBelowZero() {
				return fmt.Errorf("step %d, %s: fewer than no pieces in %s", i, s.Kind, pile.Zone)
			}
		}
		value := s.Zones.worth()
		if s.At.Phase == LayOut {
			laid = value
		} else if value != laid && !s.Half {
			return fmt.Errorf("step %d, %s: the pieces are worth %d, they were %d", i, s.Kind, value, laid)
		}
	}
	return nil
}
