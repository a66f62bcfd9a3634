package swap

import (
	"fmt"
	"slices"
	"strconv"

	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/trace"
)

// The zones of problems that have one name. Joining uses Tray(1) to Tray(n) and Joined;
// taking uses Start and Taken; sharing Start, Share(1) to Share(n) and Remainder;
// grouping Start, Groups and Remainder.
const (
	Joined    trace.Zone = "joined"
	Start     trace.Zone = "start"
	Taken     trace.Zone = "taken"
	Groups    trace.Zone = "groups"
	Remainder trace.Zone = "remainder"
)

// Tray is the tray of the i-th addend, counted from 1.
func Tray(i int) trace.Zone { return trace.Zone("tray-" + strconv.Itoa(i)) }

// Share is the tray of the i-th sharer, counted from 1.
func Share(i int) trace.Zone { return trace.Zone("share-" + strconv.Itoa(i)) }

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

// The kinds of step, in the order in which joining makes them; then those that
// taking away has of its own; then those of sharing and grouping; then those of
// the check.
const (
	Estimate trace.StepKind = "estimate" // how much it will be about, before anything is counted
	SetOut   trace.StepKind = "set-out"  // trays and mat lie ready, nothing on them
	Build    trace.StepKind = "build"    // the pieces of one number are fetched onto its tray
	Label    trace.StepKind = "label"    // small cards are laid on that tray
	Join     trace.StepKind = "join"     // all pieces are pushed together
	CountUp  trace.StepKind = "count"    // the pile of one place is counted
	Stop     trace.StepKind = "stop"     // ten are gathered; nothing has changed hands yet
	MakeSwap trace.StepKind = "swap"     // ten go to the store, one of the next place joins its pile
	Write    trace.StepKind = "write"    // what stays gets its large card and its digit
	Slide    trace.StepKind = "slide"    // the large cards are slid together
	ReadOut  trace.StepKind = "read"     // the result is read as a number
	SayBack  trace.StepKind = "say-back" // the story of the work is said back
	Sentence trace.StepKind = "sentence" // the answer is put in a sentence with its unit

	Look     trace.StepKind = "look"      // is there enough in this place? how many are there to deal?
	SwapDown trace.StepKind = "swap-down" // one of a place goes to the store, ten of the place below come back
	TakeAway trace.StepKind = "take-away" // what is to go from this place is taken away

	Deal      trace.StepKind = "deal"       // what lies in a place is dealt round evenly
	TakeGroup trace.StepKind = "take-group" // one group is taken off
	Leave     trace.StepKind = "leave"      // what cannot be dealt or grouped is laid aside

	CountPieces trace.StepKind = "count-pieces" // the number of pieces and of swaps tell whether it is right
	OtherWay    trace.StepKind = "other-way"    // joined in another order, or counted in equal steps
	Match       trace.StepKind = "match"        // every sharer lays small cards, and all read alike
	PutBack     trace.StepKind = "put-back"     // what went is laid back to what stayed
	SwapUp      trace.StepKind = "swap-up"      // tens of a place that was put back are swapped up again
	Compare     trace.StepKind = "compare"      // the number that was begun with has returned
)

// Work is what is known of a problem that was worked, besides its steps.
type Work struct {
	Problem   problem.Problem
	Method    trace.Method
	Answer    place.Number
	Remainder place.Number   // of sharing and grouping
	Columns   []place.Column // in the order in which they are worked; grouping has none
	Swaps     []Swap         // each single swap in the order made
}

// Trace is a problem worked from laying out to saying back.
type Trace struct {
	trace.Trace
	Work
}

// From returns the problem that was worked in a trace; false for one of another kind of
// task.
func From(t trace.Trace) (Trace, bool) {
	w, of := t.Own.(*Work)
	if !of {
		return Trace{}, false
	}
	return Trace{t, *w}, true
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
