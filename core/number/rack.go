package number

import (
	"fmt"

	"vineswap/core/piece"
	"vineswap/core/place"
	"vineswap/core/rack"
	"vineswap/core/trace"
)

// RackZone is a row of the rack, from 1: the beads that are pushed over.
func RackZone(i int) trace.Zone { return trace.Zone(fmt.Sprint("rack-", i)) }

// Hands is where fingers are shown.
const Hands trace.Zone = "hands"

// OnRack tells whether the number is shown on a bead rack, or is to be.
func (a Asked) OnRack() bool {
	return a.Answered == Push || a.Shown == Rack10 || a.Shown == Rack20 || a.Shown == Rack100
}

// Laid tells whether the number is pushed or laid by the children, not written.
func (a Asked) Laid() bool {
	return a.Answered == Push || a.Answered == Lay || a.Answered == WithCards || a.Answered == Fill
}

// Rack is the bead rack on which the number stands in the end; false where there is none.
func (a Asked) Rack() (rack.Rack, bool) {
	size := map[Shown]rack.Size{Rack10: rack.Ten, Rack20: rack.Twenty, Rack100: rack.Hundred}[a.Shown]
	if a.Answered == Push {
		size = rack.Smallest(int(a.Number))
	}
	r, err := rack.New(size, int(a.Number))
	return r, err == nil
}

// rackThing is the rack that is fetched.
var rackThing = map[rack.Size]trace.Thing{rack.Ten: RackOf10, rack.Twenty: RackOf20, rack.Hundred: RackOf100}

// rack shows the number on a rack, counted by full rows and on, or pushes it row by row.
func (w *worker) rack(shown bool) {
	r, _ := w.Asked.Rack()
	w.scenes = InRack
	w.need(rackThing[r.Size], 1)
	kind, missing, so := PushRow, w.Asked.Answered == ToTen, 0
	if shown {
		kind = SeeRow
		var moves []trace.Move
		for i, n := range r.Rows() {
			moves = append(moves, w.some(trace.Store, RackZone(i+1), piece.Counter, n)...)
		}
		if missing { // what is missing waits at the other side
			moves = append(moves, w.some(trace.Store, Heap, piece.Counter, 10-w.n)...)
		}
		w.Step(trace.Step{Kind: Ask, Count: w.n}, moves...)
		w.Enter(trace.Counting, place.Ones)
	}
	for i, n := range r.Rows() {
		if n == 0 || missing {
			continue
		}
		so += n
		var moves []trace.Move
		if !shown {
			moves = w.some(trace.Store, RackZone(i+1), piece.Counter, n)
		}
		w.Step(trace.Step{Kind: kind, Count: so, Ten: i + 1}, moves...)
	}
	switch {
	case missing:
		w.Step(trace.Step{Kind: Missing, Count: 10 - w.n}, w.some(Heap, RackZone(1), piece.Counter, 10-w.n)...)
	case w.n == 0:
		w.Step(trace.Step{Kind: Nothing})
	}
}

// fingers are shown, and seen as five and some; or those that are missing to ten are put up.
func (w *worker) fingers() {
	w.scenes = InHands
	moves := w.some(trace.Store, Hands, piece.Counter, w.n)
	if w.Asked.Answered == ToTen { // those that are down
		moves = append(moves, w.some(trace.Store, Heap, piece.Counter, 10-w.n)...)
	}
	w.Step(trace.Step{Kind: Ask, Count: w.n}, moves...)
	w.Enter(trace.Counting, place.Ones)
	switch {
	case w.Asked.Answered == ToTen:
		w.Step(trace.Step{Kind: Missing, Count: 10 - w.n}, w.some(Heap, Hands, piece.Counter, 10-w.n)...)
	case w.n == 0:
		w.Step(trace.Step{Kind: Nothing})
	default:
		w.Step(trace.Step{Kind: SeeHands, Count: w.n})
	}
}

// bundles are sticks, ten of them bound together, counted by tens and then by ones.
func (w *worker) bundles() {
	w.scenes = InBound
	if w.n >= 10 {
		w.need(Band, w.n/10)
	}
	w.Step(trace.Step{Kind: Ask, Count: w.n}, w.some(trace.Store, Mat, piece.Stick, w.n)...)
	w.Enter(trace.Counting, place.Ones)
	if w.n >= 10 {
		w.Step(trace.Step{Kind: Tens, Count: w.n / 10 * 10, Ten: w.Asked.Tens()})
	}
	w.Step(trace.Step{Kind: Ones, Count: w.n, Ten: w.Asked.Ones()})
}
