package diagnose

import (
	"cmp"
	"math"
	"slices"
	"sync"

	"vineswap/core/book"
	"vineswap/core/slip"
	"vineswap/core/task"
)

// Verdict is what can be said of several answers.
type Verdict string

// The verdicts.
const (
	Right     Verdict = "right"
	FactSlips Verdict = "fact-slips" // right, with a wrong fact now and then
	Slip      Verdict = "slip"       // one, or two together
	NoPattern Verdict = "no-pattern"
	NotEnough Verdict = "not-enough"
)

// Enough is how sure something has to be so that it is said; Sure is almost sure.
const (
	Enough = .7
	Sure   = .9
)

// Explanation is one that answers cannot be told apart from by any answer so far.
type Explanation struct {
	Slips       []slip.ID   // none: right; one, or two that come together
	Alike       [][]slip.ID // what else gives just the same in all of these tasks
	Probability float64     // of this and of all that is alike
	Own         float64     // of these slips, whatever else may come with them
	Explains    []int       // the answers that are just what it gives, from 0
	Shows       []int       // of these, the wrong ones
	Both        bool        // of two: each of them is seen in wrong answers that the other does not give
}

// Finding is what is said of one child's answers.
type Finding struct {
	Answers      int // that tell anything
	Verdict      Verdict
	Explanations []Explanation // the likeliest first, never none
	NoPattern    float64       // how likely there is none
	Careless     bool          // of a child who works rightly: a fact is wrong now and then

	wrong int // how many answers are wrong

	k     *known
	space *space
	held  []float64 // the weight of each hypothesis
}

// Top is the likeliest explanation.
func (f Finding) Top() Explanation { return f.Explanations[0] }

// Counts tells whether an observation tells anything of a child's own way of working: it was
// not shown, it can be read, and the whole of it was the child's.
func Counts(o book.Observation) bool {
	_, read := o.Task.Read(o.Answer)
	return read && o.Part == 0 && o.Help != book.Shown
}

// shown is how much of a slip an answer would show.
func shown(o book.Observation) float64 {
	s := showsWith[o.Help]
	if o.Manner.WithMaterial() {
		s *= showsInPieces
	}
	if o.Came == book.Default {
		s *= showsUnread
	}
	return s
}

// hypothesis is one thing that a child may do: nothing wrong, a slip, two, or no pattern.
type hypothesis struct {
	kind          kind
	first, second int // of the ones; -1 for none
	pair          int // of the twos; -1 for none, and of slips that show in different fields
	prior         float64
}

type kind uint8

const (
	isRight kind = iota
	isOne
	isTwo
	isNone
)

// space are the hypotheses that answers in some fields can speak for or against.
type space struct {
	all  []hypothesis
	ones []int // the slips that show there
}

var spaces sync.Map

// spaceOf returns the hypotheses for some fields.
func spaceOf(fields Field) *space {
	if s, ok := spaces.Load(fields); ok {
		return s.(*space)
	}
	k := slipsKnown()
	s := &space{all: []hypothesis{{isRight, -1, -1, -1, priorRight}}}
	weights := map[Field]int{}
	weightOf := make([]float64, len(k.ones))
	sum := 0.
	for i, o := range k.ones {
		if o.fields&fields == 0 {
			continue
		}
		s.ones = append(s.ones, i)
		rank := weights[o.fields]
		weights[o.fields]++
		weightOf[i] = 1 + (commonFirst-1)*math.Max(0, 1-float64(rank)/10)
		sum += weightOf[i]
	}
	for _, i := range s.ones {
		s.all = append(s.all, hypothesis{isOne, i, -1, -1, priorOne * weightOf[i] / sum})
	}
	var together, across []hypothesis
	for i, w := range k.twos {
		if k.ones[w.first].fields&k.ones[w.second].fields&fields != 0 {
			together = append(together, hypothesis{isTwo, w.first, w.second, i, weightOf[w.first] * weightOf[w.second]})
		}
	}
	for _, w := range k.across {
		if weight := weightOf[w[0]] * weightOf[w[1]]; weight > 0 {
			across = append(across, hypothesis{isTwo, w[0], w[1], -1, weight})
		}
	}
	share := acrossFields
	switch {
	case len(across) == 0:
		share = 0
	case len(together) == 0:
		share = 1
	}
	s.add(together, priorTwo*(1-share))
	s.add(across, priorTwo*share)
	s.all = append(s.all, hypothesis{isNone, -1, -1, -1, priorNone})
	kept, _ := spaces.LoadOrStore(fields, s)
	return kept.(*space)
}

// add takes in hypotheses, by their weights, that are held so likely together.
func (s *space) add(some []hypothesis, likely float64) {
	sum := 0.
	for _, h := range some {
		sum += h.prior
	}
	for _, h := range some {
		h.prior *= likely / sum
		s.all = append(s.all, h)
	}
}

// taken is one answer with what each explanation gives for its task.
type taken struct {
	predicted
	given reply
	shown float64
	day   book.Day
	at    int // its place in what was handed in
}

// Judge says what explains a child's answers, in the order in which they were given. Those
// that tell nothing of its own way of working are passed over: shown, unread, or a part of
// a task whose other parts other children worked.
func Judge(answers []book.Observation) Finding { return judge(answers, 0) }

// judge also takes in the slips of further fields.
func judge(answers []book.Observation, fields Field) Finding {
	k := slipsKnown()
	var all []taken
	wrong := 0
	for i, o := range answers {
		if !Counts(o) {
			continue
		}
		a, _ := o.Task.Read(o.Answer)
		t := taken{k.predict(o.Task), replyOf(a), shown(o), o.Day, i}
		fields |= t.field
		if t.given != t.right {
			wrong++
		}
		all = append(all, t)
	}
	s := spaceOf(fields)
	f := Finding{Answers: len(all), wrong: wrong, k: k, space: s}
	var facts float64
	f.held, facts = s.weigh(k, all)
	f.explain(all)
	f.Careless = facts > .5
	f.say()
	return f
}

// weigh gives each hypothesis its weight after all answers; and how likely a child who
// works rightly gets facts wrong now and then.
func (s *space) weigh(k *known, answers []taken) (held []float64, wrongFacts float64) {
	start := make([]float64, len(s.all)*grid)
	for i, h := range s.all {
		of := &habits
		if h.kind == isRight {
			of = &careless
		}
		for g, x := range of {
			start[i*grid+g] = h.prior * x.weight
		}
	}
	scale(start, sumOf(start))
	now := slices.Clone(start)
	sum := 1.
	for n, a := range answers {
		if n > 0 {
			stays := 1 - changesByAnswer
			if days := a.day - answers[n-1].day; days > 0 {
				stays *= math.Pow(1-changesByDay, float64(days))
			}
			stays = math.Max(stays, 1-mostChanged)
			for i, x := range start {
				now[i] = stays/sum*now[i] + (1-stays)*x
			}
		}
		sum = s.take(k, &a, now)
	}
	scale(now, sum)
	held = make([]float64, len(s.all))
	for i := range held {
		for g := range grid {
			held[i] += now[i*grid+g]
		}
	}
	for g, x := range careless {
		if x.facts >= wrongFact {
			wrongFacts += now[g]
		}
	}
	return held, wrongFacts / held[0]
}

// likelihood is how likely an answer is in each habit.
type likelihood [grid]float64

// take lets an answer speak for and against each state. Two slips of which one shows in the
// task are as likely as that one alone. It returns what all weigh together.
func (s *space) take(k *known, a *taken, now []float64) (sum float64) {
	any := a.any(a.given)
	right, fits := 0., 0.
	if a.given == a.right {
		right = 1
	}
	none := meant{right, a.near(a.right, a.given)}
	var rightly, carefully likelihood
	for g := range grid {
		rightly[g] = (1-stray)*none.by(&habits[g]) + stray*any
		carefully[g] = (1-stray)*none.by(&careless[g]) + stray*any
	}
	ones := make([]likelihood, len(k.ones))
	for _, i := range s.ones {
		if a.ones[i] == a.right {
			ones[i] = rightly
			continue
		}
		own := a.meant(i)
		fits += own.exact
		for g := range grid {
			x := &habits[g]
			r := x.shows * a.shown
			ones[i][g] = (1-stray)*(r*own.by(x)+(1-r)*none.by(x)) + stray*any
		}
	}
	var guessed likelihood
	for g := range grid {
		guessed[g] = noneRight*right + noneSlips*fits/float64(len(s.ones)) + (1-noneRight-noneSlips)*any
	}
	for i, h := range s.all {
		l := &guessed
		switch h.kind {
		case isRight:
			l = &carefully
		case isOne:
			l = &ones[h.first]
		case isTwo:
			switch first, second, both := a.ones[h.first], a.ones[h.second], h.together(k, &a.predicted); {
			case second == a.right && both == first:
				l = &ones[h.first]
			case first == a.right && both == second:
				l = &ones[h.second]
			default:
				of := a.twice(k, h, none, any)
				l = &of
			}
		}
		at := now[i*grid : i*grid+grid]
		for g := range at {
			at[g] *= l[g]
			sum += at[g]
		}
	}
	return sum
}

// twice is how likely the answer is where two slips both bear on the task: each shows for
// itself.
func (a *taken) twice(k *known, h hypothesis, none meant, any float64) (l likelihood) {
	one, two := a.meant(h.first), a.meant(h.second)
	both := a.meantOf(h.together(k, &a.predicted))
	for g := range grid {
		x := &habits[g]
		r := x.shows * a.shown
		l[g] = (1-stray)*(r*r*both.by(x)+r*(1-r)*(one.by(x)+two.by(x))+(1-r)*(1-r)*none.by(x)) + stray*any
	}
	return l
}

// meant is how an answer follows from one that is meant: it is that one (1 or 0), or how
// likely one wrong fact makes it of that one.
type meant struct{ exact, near float64 }

func (m meant) by(x *habit) float64 { return (1-x.facts)*m.exact + x.facts*m.near }

func (a *taken) meant(slip int) meant {
	m := a.meantOf(a.ones[slip])
	if a.gives(slip, a.given) {
		m.exact = 1
	}
	return m
}

func (a *taken) meantOf(r reply) meant {
	m := meant{near: a.near(r, a.given)}
	if r == a.given {
		m.exact = 1
	}
	return m
}

func sumOf(weights []float64) (sum float64) {
	for _, w := range weights {
		sum += w
	}
	return sum
}

func scale(weights []float64, by float64) {
	for i := range weights {
		weights[i] /= by
	}
}

// ids are the slips of a hypothesis.
func (h hypothesis) ids(k *known) []slip.ID {
	switch h.kind {
	case isOne:
		return []slip.ID{k.ones[h.first].id}
	case isTwo:
		return []slip.ID{k.ones[h.first].id, k.ones[h.second].id}
	}
	return []slip.ID{}
}

// with tells whether all of some slips are among those of the hypothesis.
func (h hypothesis) with(k *known, ids []slip.ID) bool {
	own := h.ids(k)
	return !slices.ContainsFunc(ids, func(id slip.ID) bool { return !slices.Contains(own, id) })
}

// together is what two slips give at once.
func (h hypothesis) together(k *known, p *predicted) reply {
	switch {
	case h.pair >= 0:
		return p.twos[h.pair]
	case k.ones[h.first].fields&p.field != 0:
		return p.ones[h.first]
	}
	return p.ones[h.second]
}

// outcome is all that an answer to a task can tell of a hypothesis: what it gives together
// and each alone.
type outcome struct{ both, first, second reply }

// outcome of one slip, and of two of which only one shows in the task, are the same.
func (h hypothesis) outcome(k *known, p *predicted) outcome {
	o := outcome{p.right, p.right, p.right}
	switch h.kind {
	case isOne:
		o.both, o.first = p.ones[h.first], p.ones[h.first]
	case isTwo:
		o.first, o.second, o.both = p.ones[h.first], p.ones[h.second], h.together(k, p)
		if o.first == p.right || o.first < o.second && o.second != p.right {
			o.first, o.second = o.second, o.first
		}
	}
	return o
}

// fits tells whether an answer is just what the hypothesis gives: of two slips also where
// one of them shows alone.
func (h hypothesis) fits(k *known, a *taken) bool {
	switch h.kind {
	case isRight:
		return a.given == a.right
	case isOne:
		return a.gives(h.first, a.given)
	case isTwo:
		if a.given == a.right {
			return h.together(k, &a.predicted) == a.right
		}
		return a.given == h.together(k, &a.predicted) || a.gives(h.first, a.given) || a.gives(h.second, a.given)
	}
	return false
}

// Fit tells whether slips give just an answer to a task: both together, or one of two alone.
func Fit(ids []slip.ID, t task.Task, given string) bool {
	k := slipsKnown()
	answer, read := t.Read(given)
	if !read {
		return false
	}
	a := taken{predicted: k.predict(t), given: replyOf(answer)}
	s := spaceOf(a.field)
	for _, h := range s.all {
		if h.kind != isNone && slices.Equal(h.ids(k), ids) {
			return h.fits(k, &a)
		}
	}
	return false
}

// Shows tells whether slips give an answer to a task that is not the right one.
func Shows(ids []slip.ID, t task.Task) bool {
	k := slipsKnown()
	p := k.predict(t)
	s := spaceOf(p.field)
	for _, h := range s.all {
		if h.kind != isNone && slices.Equal(h.ids(k), ids) {
			return h.outcome(k, &p).both != p.right
		}
	}
	return false
}

// Likely are the slips that are held likely to explain wrong answers, the likeliest first: the
// ones that are said, with those that no answer tells from them; where not enough is known to
// say any, all that have some weight.
func (f Finding) Likely() [][]slip.ID {
	const some = .15
	var all [][]slip.ID
	add := func(ids []slip.ID) {
		if !slices.ContainsFunc(all, func(known []slip.ID) bool { return slices.Equal(known, ids) }) {
			all = append(all, ids)
		}
	}
	for i, e := range f.Explanations {
		if len(e.Slips) == 0 || e.Probability < some || f.Verdict == Slip && i > 0 {
			continue
		}
		if len(e.Slips) == 2 && !e.Both { // of two of which one was not seen, each alone
			for _, id := range e.Slips {
				add([]slip.ID{id})
			}
			continue
		}
		add(e.Slips)
		if e.Own >= Enough {
			continue
		}
		for _, other := range e.Alike {
			if len(other) == 1 {
				add(other)
			}
		}
	}
	return all
}

// Held is how likely a child makes all of some slips, whatever else may come with them.
func (f Finding) Held(ids ...slip.ID) float64 {
	sum := 0.
	for i, h := range f.space.all {
		if h.kind != isNone && h.kind != isRight && h.with(f.k, ids) {
			sum += f.held[i]
		}
	}
	return sum
}

// Weight is a slip and how likely a child makes it.
type Weight struct {
	Slip   slip.ID
	Likely float64
}

// Weights are the slips that have some weight, the likeliest first.
func (f Finding) Weights() []Weight {
	var all []Weight
	for _, i := range f.space.ones {
		id := f.k.ones[i].id
		if held := f.Held(id); held >= possible {
			all = append(all, Weight{id, held})
		}
	}
	slices.SortStableFunc(all, func(a, b Weight) int { return cmp.Compare(b.Likely, a.Likely) })
	return all
}

func bit(set bool) int {
	if set {
		return 1
	}
	return 0
}

// least is how likely an explanation has to be so that it is handed out.
const least = .005

// explain puts together what no answer tells apart.
func (f *Finding) explain(answers []taken) {
	alike := map[uint64][]int{}
	var order []uint64
	for i, h := range f.space.all {
		if h.kind == isNone {
			f.NoPattern = f.held[i]
			continue
		}
		sign := uint64(14695981039346656037)
		for n := range answers {
			o := h.outcome(f.k, &answers[n].predicted)
			for _, r := range [3]reply{o.both, o.first, o.second} {
				sign = (sign ^ uint64(r)) * 1099511628211
			}
		}
		if alike[sign] == nil {
			order = append(order, sign)
		}
		alike[sign] = append(alike[sign], i)
	}
	for _, sign := range order {
		e := Explanation{Explains: []int{}, Shows: []int{}, Alike: [][]slip.ID{}}
		for _, i := range alike[sign] {
			e.Probability += f.held[i]
		}
		if e.Probability < least && len(f.Explanations) > 0 {
			continue
		}
		members := slices.Clone(alike[sign])
		slices.SortStableFunc(members, func(a, b int) int { return cmp.Compare(f.held[b], f.held[a]) })
		head := f.space.all[members[0]]
		e.Slips = head.ids(f.k)
		for _, i := range members {
			if len(e.Slips) > 0 && f.space.all[i].with(f.k, e.Slips) {
				e.Own += f.held[i]
			}
		}
		for _, i := range members[1:] {
			e.Alike = append(e.Alike, f.space.all[i].ids(f.k))
		}
		first, second := 0, 0
		for n := range answers {
			if a := &answers[n]; head.fits(f.k, a) {
				e.Explains = append(e.Explains, a.at)
				if a.given != a.right {
					e.Shows = append(e.Shows, a.at)
					if head.kind == isTwo {
						first += bit(!a.gives(head.second, a.given))
						second += bit(!a.gives(head.first, a.given))
					}
				}
			}
		}
		e.Both = first >= fewestWrong && second >= fewestWrong
		f.Explanations = append(f.Explanations, e)
	}
	slices.SortStableFunc(f.Explanations, func(a, b Explanation) int { return cmp.Compare(b.Probability, a.Probability) })
}

// How many wrong answers there have to be so that a slip is said to explain them, and so that
// they are said to follow no pattern: one odd answer is neither.
const (
	fewestWrong   = 2
	fewestPattern = 3
)

// say chooses the verdict.
func (f *Finding) say() {
	right := f.held[0]
	top := f.Top()
	switch {
	case f.Answers == 0:
		f.Verdict = NotEnough
	case right >= Enough && f.Careless:
		f.Verdict = FactSlips
	case right >= Enough:
		f.Verdict = Right
	case f.NoPattern >= Enough && f.wrong >= fewestPattern:
		f.Verdict = NoPattern
	case len(top.Slips) > 0 && top.Probability >= Enough && len(top.Shows) >= fewestWrong && (len(top.Slips) == 1 || top.Both):
		f.Verdict = Slip
	default:
		f.Verdict = NotEnough
	}
}
