package snake

import (
	"slices"

	"vineswap/core/piece"
	"vineswap/core/place"
	"vineswap/core/task"
	"vineswap/core/trace"
)

// Scene is how a snake lies.
const Scene trace.Scene = "snake"

// The zones of a snake. What is laid aside and what lies beneath to be compared has left it.
const (
	Tail trace.Zone = "tail"   // bars that are not counted yet
	Line trace.Zone = "line"   // bars that are being counted, and the golden bar that comes for them
	Rows trace.Zone = "golden" // golden bars
)

// The kinds of step.
const (
	Lay      trace.StepKind = "lay"      // the snake lies there
	Estimate trace.StepKind = "estimate" // how many beads there will be about
	Count    trace.StepKind = "count"    // one bead more is counted
	Stop     trace.StepKind = "stop"     // ten: a golden bar lies beneath
	Golden   trace.StepKind = "golden"   // it goes into the snake
	Left     trace.StepKind = "left"     // what is left of the bar that was cut is counted
	Aside    trace.StepKind = "aside"    // the bars that were used are laid aside, an old remainder bar goes home
	Remain   trace.StepKind = "remain"   // the remainder bar goes in
	Close    trace.StepKind = "close"    // one remainder bar closes the snake
	ByTens   trace.StepKind = "by-tens"  // the golden bars are counted by tens
	Total    trace.StepKind = "total"    // and what follows the last ten
	Pair     trace.StepKind = "pair"     // two bars that were laid aside are as long as a golden bar
	Rest     trace.StepKind = "rest"     // the bars without a partner are as long as the rest of the snake
	Same     trace.StepKind = "same"     // nothing is over and nothing is missing
)

// Run is the bars that one ten, or what follows the last ten, is counted from.
type Run struct {
	Old      int // beads of the remainder bar that it begins with; 0 for none
	From, To int // the bars, by where they stand in the snake
	Left     int // beads that the ten leaves of the last of them, 0 at its end; after the last ten how many beads there are
}

// Runs are the tens of the snake in order, and what follows the last of them; more is false
// where nothing does.
func (s Snake) Runs() (tens []Run, end Run, more bool) {
	run := Run{}
	sum := 0
	for i, beads := range s.Bars {
		run.To = i + 1
		if sum += beads; sum < Ten {
			continue
		}
		sum -= Ten
		run.Left = sum
		tens = append(tens, run)
		run = Run{Old: sum, From: i + 1, To: i + 1}
	}
	run.Left = sum
	return tens, run, sum > 0
}

// Pairs are the bars, by where they stand in the snake, two of which are as long as a golden
// bar, and those without a partner.
func (s Snake) Pairs() (pairs [][2]int, rest []int) {
	free := map[int][]int{} // by size
	for i, beads := range s.Bars {
		if partners := free[Ten-beads]; len(partners) > 0 {
			pairs = append(pairs, [2]int{partners[0], i})
			free[Ten-beads] = partners[1:]
			continue
		}
		free[beads] = append(free[beads], i)
	}
	for _, list := range free {
		rest = append(rest, list...)
	}
	slices.Sort(rest)
	slices.SortFunc(pairs, func(a, b [2]int) int { return a[0] - b[0] })
	return pairs, rest
}

// View is how the snake lies after a step.
type View struct {
	Golden   int  // golden bars in their rows
	Beneath  bool // one lies beneath the ten that was counted
	In       bool // one lies in the line, for the ten that was counted
	Old      int  // beads of the remainder bar that the line begins with
	From, To int  // the bars in the line; those from To on wait in the tail
	Aside    int  // how many bars, from the head on, are laid aside
	Counted  int  // beads of the line that are counted
	Past     int  // beads behind the ten that are counted
	Remain   int  // beads of the remainder bar that lies behind the ten, or closes the snake
	Paired   int  // pairs that are laid against golden bars
	Rest     bool // and the bars without a partner
}

// Work is what a snake's trace knows besides.
type Work struct {
	Snake Snake
	Tens  []Run
	End   Run
	More  bool // beads follow the last ten
	Pairs [][2]int
	Rest  []int
	Views []View // by step
}

// Worked is the work of a trace that a snake made; false for another.
func Worked(t trace.Trace) (Work, bool) {
	w, of := t.Own.(Work)
	return w, of
}

type worker struct {
	trace.Viewer[View]
	Work
}

// Solve works a snake: it is laid, counted ten for ten, read back and checked.
func Solve(s Snake) (trace.Trace, error) {
	if err := s.Valid(); err != nil {
		return trace.Trace{}, err
	}
	w := worker{Work: Work{Snake: s}}
	w.Tens, w.End, w.More = s.Runs()
	w.Pairs, w.Work.Rest = s.Pairs()
	w.lay()
	w.Enter(trace.Counting, place.Ones)
	for i, ten := range w.Tens {
		w.ten(i+1, ten)
	}
	if w.More {
		w.end()
	}
	w.read()
	w.check()
	w.Work.Views = w.Viewer.Views
	return trace.Trace{Task: s.Task(), Scene: Scene, Steps: w.Steps(), Own: w.Work}, nil
}

func init() {
	trace.Register(Kind, func(t task.Task, _ trace.Method) (trace.Trace, error) {
		s, of := From(t)
		if !of {
			return trace.Trace{}, trace.ErrNoTrace
		}
		return Solve(s)
	})
}

// bars moves some bars of the snake, each size together.
func (w *worker) bars(from, to trace.Zone, which []int) (moves []trace.Move) {
	var count [piece.LongestBar + 1]int
	for _, i := range which {
		count[w.Snake.Bars[i]]++
	}
	for beads, n := range count {
		if n > 0 {
			moves = append(moves, trace.Moving(from, to, piece.Bar(beads), n))
		}
	}
	return moves
}

// span is the bars from one place in the snake to another.
func span(from, to int) (list []int) {
	for i := from; i < to; i++ {
		list = append(list, i)
	}
	return list
}

func (w *worker) lay() {
	w.Enter(trace.LayOut, place.Ones)
	w.Show(trace.Step{Kind: Lay, Count: len(w.Snake.Bars)}, w.bars(trace.Store, Tail, span(0, len(w.Snake.Bars)))...)
	w.Show(trace.Step{Kind: Estimate})
}

// begin lets the bars of a run follow into the line; the golden bar goes to its row.
func (w *worker) begin(r Run) (moves []trace.Move) {
	if w.View.In {
		w.View.Golden++
		moves = append(moves, trace.Moving(Line, Rows, piece.Of(place.Tens), 1))
	}
	w.View = View{Golden: w.View.Golden, Aside: w.View.Aside, Old: r.Old, From: r.From, To: r.To, Counted: r.Old}
	return append(moves, w.bars(Tail, Line, span(r.From, r.To))...)
}

// counts counts the beads of a run one by one.
func (w *worker) counts(r Run, nth, to int) {
	moves := w.begin(r)
	for bead := r.Old + 1; bead <= to; bead++ {
		w.View.Counted = bead
		w.Show(trace.Step{Kind: Count, Count: bead, Ten: nth}, moves...)
		moves = nil
	}
}

// golden is one golden bar.
var golden = piece.Of(place.Tens)

// ten works one ten, from counting to the remainder bar.
func (w *worker) ten(nth int, r Run) {
	w.counts(r, nth, Ten)
	w.View.Beneath = true
	w.Show(trace.Step{Kind: Stop, Count: Ten, Ten: nth}, trace.Moving(trace.Store, trace.Beside, golden, 1))
	w.View.Beneath, w.View.In = false, true
	w.Show(trace.Step{Kind: Golden, Count: Ten, Ten: nth, Half: true}, trace.Moving(trace.Beside, Line, golden, 1))
	if r.Left > 0 {
		w.View.Past = r.Left
		w.Show(trace.Step{Kind: Left, Count: r.Left, Ten: nth, Half: true})
	}
	w.aside(nth, r)
	if r.Left > 0 {
		w.View.Remain = r.Left
		w.Show(trace.Step{Kind: Remain, Count: r.Left, Ten: nth}, trace.Moving(trace.Store, Line, piece.Remainder(r.Left), 1))
	}
}

// aside lays the used bars of a run aside, also the one that was cut; an old remainder bar
// goes home to its stair.
func (w *worker) aside(nth int, r Run) {
	moves := w.bars(Line, trace.Aside, span(r.From, r.To))
	if r.Old > 0 {
		moves = append(moves, trace.Moving(Line, trace.Store, piece.Remainder(r.Old), 1))
	}
	w.View.Aside, w.View.Old, w.View.From = r.To, 0, r.To
	w.Show(trace.Step{Kind: Aside, Count: r.To - r.From, Ten: nth, Half: r.Left > 0}, moves...)
}

// end counts what follows the last ten; its bars go aside, and one remainder bar closes the
// snake. Where the last ten cut the last bar, its remainder bar does.
func (w *worker) end() {
	r, nth := w.End, len(w.Tens)+1
	if r.From == r.To {
		moves := w.begin(r)
		w.View.Old, w.View.Remain = 0, r.Left
		w.Show(trace.Step{Kind: Close, Count: r.Left, Ten: nth}, moves...)
		return
	}
	w.counts(r, nth, r.Left)
	w.aside(nth, r)
	w.View.Remain = r.Left
	w.Show(trace.Step{Kind: Close, Count: r.Left, Ten: nth}, trace.Moving(trace.Store, Line, piece.Remainder(r.Left), 1))
}

func (w *worker) read() {
	w.Enter(trace.Reading, place.Ones)
	var moves []trace.Move
	if w.View.In {
		w.View.In = false
		w.View.Golden++
		moves = append(moves, trace.Moving(Line, Rows, golden, 1))
	}
	w.View = View{Golden: w.View.Golden, Aside: len(w.Snake.Bars), From: len(w.Snake.Bars), To: len(w.Snake.Bars), Remain: w.View.Remain}
	if len(w.Tens) > 0 {
		w.Show(trace.Step{Kind: ByTens, Count: Ten * len(w.Tens), Ten: len(w.Tens)}, moves...)
	}
	if w.More {
		w.Show(trace.Step{Kind: Total, Count: w.Snake.Total(), Ten: len(w.Tens)})
	}
}

// check lays the bars that were laid aside against the golden snake and its end.
func (w *worker) check() {
	w.Enter(trace.Checking, place.Ones)
	for i, pair := range w.Pairs {
		w.View.Paired = i + 1
		w.Show(trace.Step{Kind: Pair, Count: Ten, Ten: i + 1}, w.bars(trace.Aside, trace.Beside, pair[:])...)
	}
	if len(w.Work.Rest) > 0 {
		w.View.Rest = true
		w.Show(trace.Step{Kind: Rest, Count: w.Snake.Total() - Ten*len(w.Pairs), Ten: len(w.Tens) - len(w.Pairs)}, w.bars(trace.Aside, trace.Beside, w.Work.Rest)...)
	}
	w.Show(trace.Step{Kind: Same, Count: w.Snake.Total(), Ten: len(w.Tens)})
}
