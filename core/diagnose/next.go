package diagnose

import (
	"math"
	"math/bits"
	"slices"

	"vineswap/core/book"
	"vineswap/core/place"
	"vineswap/core/slip"
	"vineswap/core/task"
)

// Question is a task and what each explanation that is held possible would answer.
type Question struct {
	Task  task.Task
	Tells float64 // how much of the uncertainty it is expected to take away, in bits
	Gives []Gives // the likeliest first
}

// Gives is what one explanation gives for a task.
type Gives struct {
	Slips  []slip.ID // none: right
	Answer string
	Held   float64 // how likely the explanation is now
}

// usual is how often a slip shows and a fact is wrong, of a child of whom nothing is known.
const (
	usualShows = .85
	usualFacts = .05
)

// possible is how likely something has to be so that a question is asked about it.
const possible = .02

// mostTold is how many explanations a question lists, and a set of questions keeps apart.
const mostTold = 11

// Pool are tasks that a question is looked for in, each worked with every slip once. It may
// be used by several goroutines at once.
type Pool struct {
	k      *known
	fields Field
	tasks  []candidate
}

type candidate struct {
	task.Task
	key string
	predicted
	answers []reply // all that is given, the right one first
	ones    []uint8 // which of these each slip gives
	twos    []uint8
}

// PoolOf works tasks with every slip.
func PoolOf(tasks []task.Task) *Pool {
	pool := &Pool{k: slipsKnown(), tasks: make([]candidate, len(tasks))}
	for i, t := range tasks {
		c := candidate{Task: t, key: t.Key(), predicted: pool.k.predict(t)}
		c.answers = []reply{c.right}
		c.ones, c.twos = c.index(c.predicted.ones), c.index(c.predicted.twos)
		pool.tasks[i] = c
		pool.fields |= c.field
	}
	return pool
}

func (c *candidate) index(replies []reply) []uint8 {
	at := make([]uint8, len(replies))
	for i, r := range replies {
		n := slices.Index(c.answers, r)
		if n < 0 {
			n = len(c.answers)
			c.answers = append(c.answers, r)
		}
		at[i] = uint8(n)
	}
	return at
}

// Next is the task of a pool that is expected to tell best what explains a child's answers:
// the one whose answer is expected to take away most of the uncertainty, of those that it had
// not yet. There is none where none of them tells anything.
func (pool *Pool) Next(answers []book.Observation) (Question, bool) {
	a := pool.ask(answers)
	had := map[string]bool{}
	for _, o := range answers {
		had[o.Task.Key()] = true
	}
	best, tells := -1, 1e-9
	for i := range pool.tasks {
		if had[pool.tasks[i].key] {
			continue
		}
		if t := a.tells(&pool.tasks[i]); t > tells+1e-9 {
			best, tells = i, t
		}
	}
	if best < 0 {
		return Question{}, false
	}
	return a.question(&pool.tasks[best], tells), true
}

// Settle is the shortest set of tasks of the pool in which all that is held possible gives
// answers by which it can be told apart, as far as these tasks can; none where nothing is open.
func (pool *Pool) Settle(answers []book.Observation) []task.Task {
	a := pool.ask(answers)
	held := a.open()
	apart := make([]uint64, len(pool.tasks)) // a bit for each two that a task tells apart
	var all uint64
	for i := range pool.tasks {
		bit := 0
		for n, x := range held {
			for _, y := range held[n+1:] {
				if a.space.all[x].outcome(a.k, &pool.tasks[i].predicted) != a.space.all[y].outcome(a.k, &pool.tasks[i].predicted) {
					apart[i] |= 1 << bit
				}
				bit++
			}
		}
		all |= apart[i]
	}
	set := cover(apart, all)
	tasks := make([]task.Task, len(set))
	for i, c := range set {
		tasks[i] = pool.tasks[c].Task
	}
	return tasks
}

// cover is the smallest set whose bits are all of some: exactly so up to three, beyond that
// each time the one that adds most.
func cover(sets []uint64, all uint64) []int {
	if all == 0 {
		return nil
	}
	for i, a := range sets {
		if a == all {
			return []int{i}
		}
	}
	for i, a := range sets {
		for j := i + 1; j < len(sets); j++ {
			if a|sets[j] == all {
				return []int{i, j}
			}
		}
	}
	for i, a := range sets {
		for j := i + 1; j < len(sets); j++ {
			for k := j + 1; k < len(sets); k++ {
				if a|sets[j]|sets[k] == all {
					return []int{i, j, k}
				}
			}
		}
	}
	var chosen []int
	for has := uint64(0); has != all; {
		best := 0
		for i, a := range sets {
			if bits.OnesCount64(a&^has) > bits.OnesCount64(sets[best]&^has) {
				best = i
			}
		}
		has |= sets[best]
		chosen = append(chosen, best)
	}
	return chosen
}

// asking is what is held possible of a child that is to be asked.
type asking struct{ Finding }

func (pool *Pool) ask(answers []book.Observation) asking { return asking{judge(answers, pool.fields)} }

// open are the hypotheses that are held possible, the likeliest first.
func (a asking) open() []int {
	var held []int
	for i, h := range a.space.all {
		if h.kind != isNone && a.held[i] >= possible {
			held = append(held, i)
		}
	}
	slices.SortStableFunc(held, func(x, y int) int {
		if a.held[x] > a.held[y] {
			return -1
		}
		return 1
	})
	return held[:min(len(held), mostTold)]
}

// spread is how likely each answer of a task is.
type spread struct {
	by    [256]float64
	count int
}

func (s *spread) entropy() float64 {
	h, rest := 0., 1.
	for _, p := range s.by[:s.count] {
		if p > 0 {
			h -= p * math.Log2(p)
			rest -= p
		}
	}
	if rest > 1e-12 { // an answer that nothing gives
		h -= rest * math.Log2(rest)
	}
	return h
}

// parts is a distribution of a few answers.
type parts struct {
	at    [4]uint8
	by    [4]float64
	count int
}

func (p *parts) add(at uint8, by float64) {
	for i := range p.count {
		if p.at[i] == at {
			p.by[i] += by
			return
		}
	}
	p.at[p.count], p.by[p.count] = at, by
	p.count++
}

// tells is how many bits of what is held possible the answer to a task is expected to take
// away: the entropy of the answer less what is left of it when the explanation is known.
func (a asking) tells(c *candidate) float64 {
	const kept, r = 1 - usualFacts, usualShows
	all := spread{count: len(c.answers)}
	known := 0.
	for i, h := range a.space.all {
		held := a.held[i]
		if held < 1e-5 {
			continue
		}
		if h.kind == isNone {
			none := spread{count: len(c.answers)}
			none.by[0] += noneRight
			for _, s := range a.space.ones {
				if at := c.ones[s]; at > 0 {
					none.by[at] += noneSlips / float64(len(a.space.ones))
				}
			}
			for n, p := range none.by[:none.count] {
				all.by[n] += held * p
			}
			known += held * none.entropy()
			continue
		}
		own := parts{}
		switch h.kind {
		case isRight:
			own.add(0, kept)
		case isOne:
			own.add(c.ones[h.first], kept*r)
			own.add(0, kept*(1-r))
		case isTwo:
			both := c.ones[h.first]
			switch {
			case h.pair >= 0:
				both = c.twos[h.pair]
			case a.k.ones[h.first].fields&c.field == 0:
				both = c.ones[h.second]
			}
			own.add(both, kept*r*r)
			own.add(c.ones[h.first], kept*r*(1-r))
			own.add(c.ones[h.second], kept*r*(1-r))
			own.add(0, kept*(1-r)*(1-r))
		}
		entropy := -usualFacts * math.Log2(usualFacts)
		for n, p := range own.by[:own.count] {
			all.by[own.at[n]] += held * p
			entropy -= p * math.Log2(p)
		}
		known += held * entropy
	}
	return all.entropy() - known
}

// question lists what is held possible with its answers.
func (a asking) question(c *candidate, tells float64) Question {
	q, p := Question{Task: c.Task, Tells: tells}, &c.predicted
	for _, i := range a.open() {
		h := a.space.all[i]
		given := h.outcome(a.k, p).both
		q.Gives = append(q.Gives, Gives{h.ids(a.k), c.Write(answerOf(c.Task, given)), a.held[i]})
	}
	return q
}

// answerOf turns a reply back into the answer that it stands for.
func answerOf(t task.Task, r reply) task.Answer {
	if r >= 0 {
		return task.Answer{place.Number(r)}
	}
	for _, w := range t.Wrong() {
		if replyOf(w.Answer) == r {
			return w.Answer
		}
	}
	return t.Right()
}

// BringsOut are the tasks of the pool on which one slip, or two together, give an answer
// unlike the right one and unlike all that is held possible without them, in the order of the
// pool.
// Nothing is held possible beside them where the child gave no answers yet.
func (pool *Pool) BringsOut(ids []slip.ID, answers []book.Observation) []task.Task {
	a := pool.ask(answers)
	var held []int
	if a.Answers > 0 {
		held = a.open()
	}
	own := a.find(ids)
	var tasks []task.Task
	for i := range pool.tasks {
		p := &pool.tasks[i].predicted
		if own == nil {
			return nil
		}
		mine := own.outcome(a.k, p).both
		alone := mine != p.right
		for _, h := range held {
			if other := &a.space.all[h]; !other.with(a.k, ids) && other.outcome(a.k, p).both == mine {
				alone = false
			}
		}
		if alone {
			tasks = append(tasks, pool.tasks[i].Task)
		}
	}
	return tasks
}

// Own puts the tasks first, of some of the pool, on which a slip gives an answer that fewest
// other slips give; their order stays else.
func (pool *Pool) Own(id slip.ID, tasks []task.Task) []task.Task {
	i, known := pool.k.at[id]
	if !known {
		return tasks
	}
	shared := map[string]int{}
	for n := range pool.tasks {
		c := &pool.tasks[n]
		for other := range pool.k.ones {
			if other != i && c.predicted.ones[other] == c.predicted.ones[i] {
				shared[c.key]++
			}
		}
	}
	tasks = slices.Clone(tasks)
	slices.SortStableFunc(tasks, func(a, b task.Task) int { return shared[a.Key()] - shared[b.Key()] })
	return tasks
}

// Shown are the slips that some task of the pool shows, common ones first.
func (pool *Pool) Shown() []slip.ID {
	var ids []slip.ID
	for i, o := range pool.k.ones {
		if slices.ContainsFunc(pool.tasks, func(c candidate) bool { return c.predicted.ones[i] != c.right }) {
			ids = append(ids, o.id)
		}
	}
	return ids
}

// find is the hypothesis of some slips.
func (a asking) find(ids []slip.ID) *hypothesis {
	for i := range a.space.all {
		if h := &a.space.all[i]; h.kind != isNone && slices.Equal(h.ids(a.k), ids) {
			return h
		}
	}
	return nil
}

// Hidden are the slips that a hand of tasks could not show, since each of its tasks is
// answered rightly with them, of those that show in tasks like these; and the one task of the
// pool that would show most of them.
func (pool *Pool) Hidden(hand []task.Task) (hidden []slip.ID, would task.Task, some bool) {
	if len(hand) == 0 {
		return nil, would, false
	}
	var fields Field
	worked := make([]predicted, len(hand))
	for i, t := range hand {
		worked[i] = pool.k.predict(t)
		fields |= worked[i].field
	}
	var which []int
	for i, o := range pool.k.ones {
		if o.fields&fields == 0 || slices.ContainsFunc(worked, func(p predicted) bool { return p.ones[i] != p.right }) {
			continue
		}
		which = append(which, i)
		hidden = append(hidden, o.id)
	}
	most := 0
	for i := range pool.tasks {
		n := 0
		for _, s := range which {
			if c := &pool.tasks[i]; c.predicted.ones[s] != c.right {
				n++
			}
		}
		if n > most {
			most, would = n, pool.tasks[i].Task
		}
	}
	return hidden, would, most > 0
}
