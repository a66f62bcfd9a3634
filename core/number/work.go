package number

import (
	"fmt"

	"vineswap/core/crowd"
	"vineswap/core/piece"
	"vineswap/core/place"
	"vineswap/core/task"
	"vineswap/core/trace"
)

// The scenes in which numbers are shown.
const (
	InRow    trace.Scene = "row"     // things one beside the other, up to ten
	InBoxes  trace.Scene = "boxes"   // compartments from 0 to 9
	InFrames trace.Scene = "frames"  // ten frames
	InCrowd  trace.Scene = "crowd"   // things to be ringed
	InTens   trace.Scene = "tens"    // tens and ones, as pieces or drawn
	Figures  trace.Scene = "figures" // words and figures alone
	Pictures trace.Scene = "pictures"
	InPlaces trace.Scene = "places" // pieces by their places, with cards on the rim
	InCards  trace.Scene = "cards"  // cards alone
	InRows   trace.Scene = "rows"   // numbers below one another, to be compared
	InSum    trace.Scene = "sum"    // two numbers that are added in their parts
	InRack   trace.Scene = "rack"   // the bead rack
	InHands  trace.Scene = "fingers"
	InBound  trace.Scene = "bundles" // sticks, ten of them bound together
)

// What is fetched for a number besides its pieces.
const (
	Frame      trace.Thing = "frame"
	Box        trace.Thing = "box"        // a box of five compartments
	Cover      trace.Thing = "cover"      // a sheet or a hand over the full frames
	Whiteboard trace.Thing = "whiteboard" // for each child, to write on
	Sheet      trace.Thing = "sheet"      // with the crowd on it
	Pencil     trace.Thing = "pencil"
	Card       trace.Thing = "card" // one for each place
	RackOf10   trace.Thing = "rack-10"
	RackOf20   trace.Thing = "rack-20"
	RackOf100  trace.Thing = "rack-100"
	Band       trace.Thing = "band" // round ten sticks
)

// The zones of numbers that have one name. Frames, rings and boxes are numbered.
const (
	Row   trace.Zone = "row"   // things that are not counted yet
	Done  trace.Zone = "done"  // things that are counted
	Heap  trace.Zone = "heap"  // a handful, or the sticks
	Loose trace.Zone = "loose" // a crowd's things outside every ring
	Mat   trace.Zone = "mat"   // tens and ones
	Tray  trace.Zone = "start" // pieces of all places: the tray of the number that is worked from
)

// FrameZone, RingZone and BoxZone name the frames, rings and boxes, counted from 1.
func FrameZone(i int) trace.Zone { return trace.Zone(fmt.Sprint("frame-", i)) }

// RingZone is the i-th ring, from 1.
func RingZone(i int) trace.Zone { return trace.Zone(fmt.Sprint("ring-", i)) }

// RowZone is where the pieces of the i-th number that is compared lie, from 1.
func RowZone(i int) trace.Zone { return trace.Zone(fmt.Sprint("row-", i)) }

// BoxZone is the compartment of i sticks.
func BoxZone(i int) trace.Zone { return trace.Zone(fmt.Sprint("box-", i)) }

// The kinds of step.
const (
	Ask       trace.StepKind = "ask"      // the number is shown, and the question is asked
	Guess     trace.StepKind = "estimate" // how many it will be about
	One       trace.StepKind = "one"      // one thing more is counted
	Nothing   trace.StepKind = "nothing"  // there is nothing to count: zero
	Put       trace.StepKind = "put"      // things are put into a frame, or seen there
	Full      trace.StepKind = "full"     // a frame is full: ten
	Hide      trace.StepKind = "cover"    // the full frames are covered
	On        trace.StepKind = "on"       // one more is counted on from ten
	Missing   trace.StepKind = "missing"  // the empty cells are filled: what was missing to ten
	Gather    trace.StepKind = "gather"   // ten of a crowd are marked, and ringed
	Over      trace.StepKind = "over"     // what is in no ring is counted
	Tens      trace.StepKind = "tens"     // tens are laid, drawn or counted
	Ones      trace.StepKind = "ones"     // ones are laid, drawn or counted
	Parts     trace.StepKind = "parts"    // the number in its parts
	Sort      trace.StepKind = "sort"     // a compartment gets its sticks
	Empty     trace.StepKind = "zero"     // the compartment of zero stays empty
	WriteTens trace.StepKind = "write-tens"
	WriteOnes trace.StepKind = "write-ones"
	Answer    trace.StepKind = "answer" // what was asked is answered
	Found     trace.StepKind = "found"  // the right picture is shown
	Laid      trace.StepKind = "laid"   // a picture is laid to its numeral
	Redraw    trace.StepKind = "redraw" // the same number as a quick drawing
	Each      trace.StepKind = "each"   // the pieces of one place are fetched, drawn or counted; To says of which
	Label     trace.StepKind = "label"  // the cards are laid, one for each place that has something
	Slide     trace.StepKind = "slide"  // they are slid together
	OfKind    trace.StepKind = "kind"   // one piece of a kind is laid beside the smaller ones; To says of which
	SwapUp    trace.StepKind = "swap-up"
	SwapDown  trace.StepKind = "swap-down" // Count of From for ten times as many of To
	Compare   trace.StepKind = "compare"   // what the numbers have of one place, To; Count tells how many different digits
	InOrder   trace.StepKind = "in-order"  // they are laid in order, the smallest first
	Together  trace.StepKind = "together"  // the parts of one place, To, are added; Cards are the sums so far
	SeeRow    trace.StepKind = "row"       // a row of the rack is seen; Ten says which, from 1
	PushRow   trace.StepKind = "push-row"  // beads of a row are pushed over
	SeeHands  trace.StepKind = "hands"     // the fingers are seen: five and some
	CarryUp   trace.StepKind = "carry-up"  // a sum of ten and more gives one more of the next place, To
)

// Work is what is known of a number that was worked, besides its steps.
type Work struct {
	Asked   Asked
	Filled  trace.Filled
	Frames  int
	Choices []place.Number // the pictures to pick from
	Drawn   bool           // tens and ones are drawn, and not laid
}

// Worked returns the number that was worked in a trace; false for another kind of task.
func Worked(t trace.Trace) (Work, bool) {
	w, of := t.Own.(*Work)
	if !of {
		return Work{}, false
	}
	return *w, true
}

func init() {
	trace.Register(Kind, func(t task.Task, m trace.Method) (trace.Trace, error) {
		a, _ := From(t)
		return Solve(a, m)
	})
}

// worker is a number as it is worked.
type worker struct {
	trace.Tracer
	Work
	n      int
	fetch  []trace.Fetch
	scenes trace.Scene
}

// Solve works a number step by step. The error is that of Valid, or of the method.
func Solve(a Asked, m trace.Method) (trace.Trace, error) {
	if err := a.Valid(); err != nil {
		return trace.Trace{}, err
	}
	if err := m.Valid(); err != nil {
		return trace.Trace{}, err
	}
	w := worker{n: int(a.Number), Work: Work{Asked: a, Filled: m.Filled}}
	w.show()
	w.answer()
	return w.end(), nil
}

// end says the number back.
func (w *worker) end() trace.Trace {
	w.Enter(trace.Reading, place.Ones)
	w.Step(trace.Step{Kind: Answer, Count: int(w.Asked.Said())})
	return trace.Trace{Task: w.Asked.Task(), Scene: w.scenes, Steps: w.Steps(), Things: w.fetch, Own: &w.Work}
}

// show lays out what is shown, and counts it where it is counted.
func (w *worker) show() {
	w.Enter(trace.LayOut, place.Ones)
	if (way{answered: w.Asked.Answered}).several() {
		w.showSeveral()
		return
	}
	switch w.Asked.Shown {
	case Things:
		w.things()
	case Sticks:
		w.sticks()
	case Frames:
		w.frames()
	case Covered:
		w.covered()
	case Handful:
		w.handful()
	case Crowd, Rows:
		w.crowd()
	case Pieces, Drawn:
		if w.Asked.swapsDown() && w.Asked.Shown == Pieces {
			w.lies(usual(w.Asked.Number))
			return
		}
		if w.Asked.large() {
			w.piles()
			return
		}
		w.pieces()
	case Unswapped:
		w.lies(w.Asked.Holding())
	case Rack10, Rack20, Rack100:
		w.rack(true)
	case Fingers:
		w.fingers()
	case Bundles:
		w.bundles()
	case Kinds:
		w.kinds()
	case TenOf:
		w.tenOf()
	case Cards:
		w.scenes = InCards
		w.need(Card, len(w.Asked.Number.Expanded()))
		w.Step(trace.Step{Kind: Ask, Count: w.n, Cards: w.Asked.Number.Expanded()})
	default:
		w.scenes = Figures
		w.Step(trace.Step{Kind: Ask, Count: w.n})
	}
}

// answer does what is asked for: lays, draws, writes or names parts.
func (w *worker) answer() {
	if w.Asked.Shown == Renamed || w.Asked.Shown == Unswapped {
		w.swapBack()
	}
	switch w.Asked.Answered {
	case Lay:
		w.lay()
	case WithCards:
		w.withCards()
	case Push:
		w.rack(false)
	case Fill:
		w.scenes = InFrames
		w.needFrames()
		w.fill(trace.Store)
	case Draw:
		w.Drawn = true
		w.layTens()
		w.need(Pencil, 1)
	case Pick:
		w.pick()
	case Match:
		w.match()
	case Write, Ring:
		w.write()
	case Sign, Decides, Order:
		w.compare()
	case Join:
		w.join()
	case Rename:
		w.rename(w.Asked.Holding(), w.Asked.Blank())
	case HowMany, Hundreds:
		if p, _ := w.Asked.InAll(); w.Asked.swapsDown() {
			w.rename(inAll(w.Asked.Number, p), p)
			return
		}
		w.Enter(trace.Writing, place.Ones)
		w.Step(trace.Step{Kind: Parts, Count: w.n})
	case InParts, InUnits:
		w.Enter(trace.Writing, place.Ones)
		w.Step(trace.Step{Kind: Parts, Count: w.n})
	}
	if w.Asked.Answered == Ring {
		w.Enter(trace.Checking, place.Ones)
		w.Step(trace.Step{Kind: Redraw, Count: w.n})
	}
}

func (w *worker) need(t trace.Thing, n int) {
	w.fetch = append(w.fetch, trace.Fetch{Thing: t, Count: n})
}

// write writes the digits, the tens first.
func (w *worker) write() {
	w.need(Whiteboard, 1)
	w.Enter(trace.Writing, place.Ones)
	for p := w.Asked.Number.Top(); p >= place.Ones; p-- {
		w.Write(trace.Cell{Role: trace.Result, Place: p, Digit: w.Asked.Number.Digit(p)})
		kind := WriteOnes
		if p > place.Ones {
			kind = WriteTens
		}
		w.Step(trace.Step{Kind: kind, Count: w.Asked.Number.Digit(p)})
	}
}

// things are counted one after another, each once.
func (w *worker) things() {
	w.scenes = InRow
	w.Step(trace.Step{Kind: Ask}, w.some(trace.Store, Row, piece.Counter, w.n)...)
	w.oneByOne(Row)
}

// some moves so many, or nothing.
func (w *worker) some(from, to trace.Zone, p piece.Piece, n int) []trace.Move {
	if n == 0 {
		return nil
	}
	return []trace.Move{trace.Moving(from, to, p, n)}
}

// oneByOne counts things of a zone into those that are done.
func (w *worker) oneByOne(from trace.Zone) {
	if from != trace.Store {
		w.Enter(trace.Counting, place.Ones)
	}
	for k := 1; k <= w.n; k++ {
		w.Step(trace.Step{Kind: One, Count: k}, trace.Moving(from, Done, piece.Counter, 1))
	}
	if w.n == 0 {
		w.Step(trace.Step{Kind: Nothing})
	}
}

// sticks are sorted into the compartments from 0 to 9: the last gets what is left.
func (w *worker) sticks() {
	w.scenes = InBoxes
	w.need(Box, 2)
	w.Step(trace.Step{Kind: Ask}, trace.Moving(trace.Store, Heap, piece.Stick, sticks))
	w.Enter(trace.Counting, place.Ones)
	for k := 1; k <= lastBox; k++ {
		w.Step(trace.Step{Kind: Sort, Count: k}, trace.Moving(Heap, BoxZone(k), piece.Stick, k))
	}
	w.Step(trace.Step{Kind: Empty})
}

func (w *worker) needFrames() {
	w.Frames = max(1, (w.n+9)/10)
	if w.Asked.Answered == ToTen {
		w.Frames = 1
	}
	w.need(Frame, w.Frames)
}

// fill puts things into the frames, five by five or pair by pair; full ones are ten.
func (w *worker) fill(from trace.Zone) {
	at := 2
	if w.Filled != trace.ByPairs {
		at = 5
	}
	for k := 0; k < w.n; {
		frame := k/10 + 1
		some := min(at, w.n-k)
		k += some
		w.Step(trace.Step{Kind: Put, Count: k, Ten: frame}, trace.Moving(from, FrameZone(frame), piece.Counter, some))
		if k%10 == 0 {
			w.Step(trace.Step{Kind: Full, Count: k, Ten: frame})
		}
	}
	if w.n == 0 {
		w.Step(trace.Step{Kind: Nothing})
	}
}

// filled are the moves that fill the frames at once.
func (w *worker) filled(from trace.Zone) []trace.Move {
	var moves []trace.Move
	for k := 0; k < w.n; k += 10 {
		moves = append(moves, trace.Moving(from, FrameZone(k/10+1), piece.Counter, min(10, w.n-k)))
	}
	return moves
}

// frames are shown filled, and seen: the full ones as ten, then five and some.
func (w *worker) frames() {
	w.scenes = InFrames
	w.needFrames()
	moves := w.filled(trace.Store)
	if w.Asked.Answered == ToTen { // what is missing lies ready
		moves = append(moves, w.some(trace.Store, Heap, piece.Counter, 10-w.n)...)
	}
	w.Step(trace.Step{Kind: Ask, Count: w.n}, moves...)
	w.Enter(trace.Counting, place.Ones)
	if w.Asked.Answered == ToTen {
		w.Step(trace.Step{Kind: Missing, Count: 10 - w.n}, w.some(Heap, FrameZone(1), piece.Counter, 10-w.n)...)
		return
	}
	for ten := 1; 10*ten <= w.n; ten++ {
		w.Step(trace.Step{Kind: Full, Count: 10 * ten, Ten: ten})
	}
	switch {
	case w.n == 0:
		w.Step(trace.Step{Kind: Nothing})
	case w.n%10 > 0:
		w.Step(trace.Step{Kind: Put, Count: w.n, Ten: w.n/10 + 1})
	}
}

// covered are full frames that are not counted again: it goes on from ten.
func (w *worker) covered() {
	w.scenes = InFrames
	w.needFrames()
	w.need(Cover, 1)
	w.Step(trace.Step{Kind: Ask, Count: w.n}, w.filled(trace.Store)...)
	w.Enter(trace.Covering, place.Ones)
	full := w.n / 10 * 10
	if w.n%10 == 0 {
		full -= 10 // something is left to count
	}
	w.Step(trace.Step{Kind: Hide, Count: full, Ten: full / 10})
	w.Enter(trace.Counting, place.Ones)
	for k := full + 1; k <= w.n; k++ {
		w.Step(trace.Step{Kind: On, Count: k, Ten: (k-1)/10 + 1})
	}
}

// handful is estimated as a heap, then counted into frames.
func (w *worker) handful() {
	w.scenes = InFrames
	w.needFrames()
	w.Step(trace.Step{Kind: Ask}, trace.Moving(trace.Store, Heap, piece.Counter, w.n))
	w.Step(trace.Step{Kind: Guess})
	w.Enter(trace.Counting, place.Ones)
	w.fill(Heap)
}

// Layout is where the things of a crowd or a handful lie, as their seed says; false for
// another number.
func (w Work) Layout() (c crowd.Crowd, lies bool) {
	var err error
	switch w.Asked.Shown {
	case Crowd, Handful:
		c, err = crowd.Lay(int(w.Asked.Number), uint64(w.Asked.Seed))
	case Rows:
		c, err = crowd.Rows(int(w.Asked.Number))
	default:
		return c, false
	}
	return c, err == nil
}

// crowd is marked and ringed ten by ten; what is left over is counted last.
func (w *worker) crowd() {
	w.scenes = InCrowd
	w.need(Sheet, 1)
	w.Step(trace.Step{Kind: Ask}, trace.Moving(trace.Store, Loose, piece.Counter, w.n))
	w.Step(trace.Step{Kind: Guess})
	w.Enter(trace.Counting, place.Ones)
	for ten := 1; 10*ten <= w.n; ten++ {
		w.Step(trace.Step{Kind: Gather, Count: 10 * ten, Ten: ten}, trace.Moving(Loose, RingZone(ten), piece.Counter, 10))
	}
	w.Step(trace.Step{Kind: Over, Count: w.n % 10})
}

// pieces are tens and ones, counted by tens and then by ones.
func (w *worker) pieces() {
	w.scenes = InTens
	w.Drawn = w.Asked.Shown == Drawn
	w.Step(trace.Step{Kind: Ask, Count: w.n}, append(w.some(trace.Store, Mat, piece.Of(place.Tens), w.Asked.Tens()), w.some(trace.Store, Mat, piece.Of(place.Ones), w.Asked.Ones())...)...)
	w.Enter(trace.Counting, place.Ones)
	if w.n >= 10 {
		w.Step(trace.Step{Kind: Tens, Count: w.n / 10 * 10, Ten: w.Asked.Tens()})
	}
	w.Step(trace.Step{Kind: Ones, Count: w.n, Ten: w.Asked.Ones()})
}

// lay builds the number: up to ten with things, one by one; above with tens and ones.
func (w *worker) lay() {
	if w.n > 10 || w.Asked.Shown == Renamed {
		w.layTens()
		return
	}
	w.scenes = InRow
	w.oneByOne(trace.Store)
}

// piles are pieces of all places that lie there, counted from the highest place.
func (w *worker) piles() {
	w.scenes, w.Drawn = InPlaces, w.Asked.Shown == Drawn
	var moves []trace.Move
	for _, p := range w.Asked.Places() {
		moves = append(moves, w.some(trace.Store, Tray, piece.Of(p), w.Asked.Number.Digit(p))...)
	}
	w.Step(trace.Step{Kind: Ask, Count: w.n}, moves...)
	w.Enter(trace.Counting, place.Ones)
	for _, p := range w.Asked.Places() {
		w.Step(trace.Step{Kind: Each, To: p, Count: w.Asked.Number.Digit(p)})
	}
}

// kinds are laid beside one another, one of each, the ones first.
func (w *worker) kinds() {
	w.scenes = InPlaces
	w.Step(trace.Step{Kind: Ask, Count: w.n})
	for p := place.Ones; p <= w.Asked.Number.Top(); p++ {
		w.Step(trace.Step{Kind: OfKind, To: p, Count: p.Unit()}, trace.Moving(trace.Store, Tray, piece.Of(p), 1))
	}
}

// tenOf are ten pieces of a kind, counted and swapped for the one that they make.
func (w *worker) tenOf() {
	w.scenes = InPlaces
	to := w.Asked.Number.Top()
	from := to - 1
	w.Step(trace.Step{Kind: Ask, Count: w.n}, trace.Moving(trace.Store, Tray, piece.Of(from), 10))
	w.Enter(trace.Counting, place.Ones)
	w.Step(trace.Step{Kind: Each, To: from, Count: 10})
	w.Step(trace.Step{Kind: SwapUp, From: from, To: to, Count: 10}, trace.Moving(Tray, trace.Store, piece.Of(from), 10), trace.Moving(trace.Store, Tray, piece.Of(to), 1))
}

// layPlaces fetches or draws what the number has of each place, the highest first; then its
// cards are laid and slid together.
func (w *worker) layPlaces() {
	w.scenes = InPlaces
	for _, p := range w.Asked.Places() {
		n := w.Asked.Number.Digit(p)
		w.Step(trace.Step{Kind: Each, To: p, Count: n}, w.some(trace.Store, Tray, piece.Of(p), n)...)
	}
	w.withCards()
}

// withCards lays the cards of the number and slides them together.
func (w *worker) withCards() {
	if w.scenes == Figures {
		w.scenes = InCards
	}
	if n := len(w.Asked.Number.Expanded()); n > 0 && w.Asked.Shown != Cards {
		w.need(Card, n)
	}
	w.Enter(trace.Writing, place.Ones)
	w.Step(trace.Step{Kind: Label, Tray: 1, Count: w.n, Cards: w.Asked.Number.Expanded()})
	w.Step(trace.Step{Kind: Slide, Count: w.n, Cards: w.Asked.Number.Expanded()})
}

// Built is a number laid out alone: piece by piece of each place, then its cards.
func Built(n place.Number, m trace.Method) (trace.Trace, error) {
	if err := m.Valid(); err != nil {
		return trace.Trace{}, err
	}
	w := worker{n: int(n), Work: Work{Asked: Asked{Number: n, Shown: Numeral, Answered: Lay}}}
	w.Enter(trace.LayOut, place.Ones)
	w.Step(trace.Step{Kind: Ask, Count: w.n})
	w.layPlaces()
	return w.end(), nil
}

// layTens lays or draws the tens, then the ones; from 100 on all places.
func (w *worker) layTens() {
	if w.Asked.Shown == Renamed { // its pieces lie there
		w.withCards()
		return
	}
	if w.Asked.large() {
		w.layPlaces()
		return
	}
	w.scenes = InTens
	if w.n >= 10 {
		w.Step(trace.Step{Kind: Tens, Count: w.n / 10 * 10, Ten: w.Asked.Tens()}, w.some(trace.Store, Mat, piece.Of(place.Tens), w.Asked.Tens())...)
	}
	w.Step(trace.Step{Kind: Ones, Count: w.n, Ten: w.Asked.Ones()}, w.some(trace.Store, Mat, piece.Of(place.Ones), w.Asked.Ones())...)
}

// pick lays out pictures of which one shows the number.
func (w *worker) pick() {
	w.scenes, w.Drawn = Pictures, w.n > MostInFrames
	w.Choices = ChoicesOf(w.Asked.Number)
	w.Enter(trace.Counting, place.Ones)
	w.Step(trace.Step{Kind: Found, Count: w.n})
}

// match lays each picture to its numeral, one after another.
func (w *worker) match() {
	w.scenes, w.Drawn = Pictures, w.n > MostInFrames
	w.Choices = ChoicesOf(w.Asked.Number)
	w.Enter(trace.Counting, place.Ones)
	for i, n := range w.Choices {
		w.Step(trace.Step{Kind: Laid, Count: int(n), Ten: i + 1})
	}
}

// ChoicesOf are four pictures to pick from: the number, and those that are easily taken for
// it. They stand in the order of size.
func ChoicesOf(n place.Number) []place.Number {
	turned := n%10*10 + n/10
	list := []place.Number{n}
	for _, other := range []place.Number{turned, n - 1, n + 1, n + 10, n - 10, n + 2, n + 3} {
		if other >= 1 && other <= 99 && len(list) < 4 && (n > MostInFrames || other <= MostInFrames) {
			list = appendNew(list, other)
		}
	}
	for i := range list { // by size, so that its place says nothing
		for j := range i {
			if list[j] > list[i] {
				list[i], list[j] = list[j], list[i]
			}
		}
	}
	return list
}
