package diagnose

import (
	"hash/fnv"
	"math"
	"sync"

	"vineswap/core/number"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/slip"
	"vineswap/core/task"
)

// one is a slip that a child may make; all of them in one order.
type one struct {
	id     slip.ID
	alone  slip.Procedure // of written adding and taking
	fields Field          // where it shows
}

// two are slips that can come together at one problem.
type two struct {
	first, second int // of the ones
	together      slip.Procedure
}

// known are the slips and what can come together.
type known struct {
	ones   []one
	twos   []two
	across [][2]int // slips that show in different fields, so that both of them are one child's
	at     map[slip.ID]int
}

var slipsKnown = sync.OnceValue(func() *known {
	k := &known{at: map[slip.ID]int{}}
	add := func(id slip.ID, fields Field) {
		k.at[id] = len(k.ones)
		k.ones = append(k.ones, one{id, slip.New(id), fields})
	}
	for _, id := range slip.InColumns() {
		var fields Field
		for o, f := range []Field{Adding, Taking} {
			if slip.Shows(id, slip.Operation(o)) {
				fields |= f
			}
		}
		add(id, fields)
	}
	for _, id := range slip.Others() {
		if id == slip.LeftoverDropped {
			add(id, Sharing)
			continue
		}
		add(id, Numbers)
	}
	for _, p := range slip.Pairs() {
		k.twos = append(k.twos, two{k.at[p[0]], k.at[p[1]], slip.New(p[0], p[1])})
	}
	for i, a := range k.ones {
		for j := i + 1; j < len(k.ones); j++ {
			if a.fields&k.ones[j].fields == 0 {
				k.across = append(k.across, [2]int{i, j})
			}
		}
	}
	return k
})

// reply is an answer as one number: of several parts one that stands for them, below zero.
type reply int

func replyOf(a task.Answer) reply {
	if len(a) == 1 {
		return reply(a[0])
	}
	h := fnv.New64a()
	for _, n := range a {
		_, _ = h.Write([]byte{byte(n), byte(n >> 8), byte(n >> 16), byte(n >> 24), 1})
	}
	return reply(-1 - int(h.Sum64()>>2))
}

// Field is what a task is about: whose slips can show in it. Several together are a set.
type Field uint8

// The fields. Adding and taking share some of their slips; no others do.
const (
	Adding Field = 1 << iota
	Taking
	Sharing
	Numbers
)

// Fields returns the fields one by one.
func Fields() []Field { return []Field{Adding, Taking, Sharing, Numbers} }

// FieldOf is the field of a task.
func FieldOf(t task.Task) Field {
	work, isProblem := problemOf(t)
	if !isProblem {
		return Numbers
	}
	if operation, _, inColumns := work.InColumns(); inColumns {
		return Adding << operation
	}
	return Sharing
}

// problemOf is the problem that a task is, or comes to: numbers that are joined are a sum.
func problemOf(t task.Task) (problem.Problem, bool) {
	if a, of := number.From(t); of && a.Answered == number.Join {
		return problem.SumOf(a.Number, a.With[0]), true
	}
	return problem.From(t)
}

// predicted is what each explanation gives for one task.
type predicted struct {
	field   Field
	right   reply
	columns int     // in how many columns a fact can be wrong; 0 for none
	ones    []reply // the right answer where a slip does not apply
	twos    []reply // both at once; where they cannot be carried out together, what the first gives
	also    map[int]reply
}

// predict works a task with every slip.
func (k *known) predict(t task.Task) predicted {
	p := predicted{right: replyOf(t.Right()), ones: make([]reply, len(k.ones)), twos: make([]reply, len(k.twos))}
	for i := range p.ones {
		p.ones[i] = p.right
	}
	for i := range p.twos {
		p.twos[i] = p.right
	}
	work, isProblem := problemOf(t)
	operation, terms, inColumns := slip.Operation(0), []place.Number(nil), false
	if isProblem {
		operation, terms, inColumns = work.InColumns()
	}
	if inColumns {
		p.inColumns(k, operation, terms)
	} else {
		if p.field = FieldOf(t); p.field == Sharing {
			p.columns = work.Numbers[0].Length()
		}
		for _, w := range t.Wrong() {
			i, registered := k.at[w.Slip]
			if !registered {
				continue
			}
			if p.ones[i] != p.right {
				if p.also == nil {
					p.also = map[int]reply{}
				}
				p.also[i] = replyOf(w.Answer)
				continue
			}
			p.ones[i] = replyOf(w.Answer)
		}
	}
	return p
}

func (p *predicted) inColumns(k *known, o slip.Operation, terms []place.Number) {
	p.field = Adding << o
	p.columns = int(place.HighestOf(terms)) + 1
	for i, s := range k.ones {
		if s.fields&p.field != 0 {
			if answer, ok := s.alone.Answer(o, terms); ok {
				p.ones[i] = reply(answer)
			}
		}
	}
	for i, w := range k.twos {
		p.twos[i] = p.ones[w.first]
		if p.twos[i] == p.right {
			p.twos[i] = p.ones[w.second]
		}
		if k.ones[w.first].fields&k.ones[w.second].fields&p.field != 0 {
			if answer, ok := w.together.Answer(o, terms); ok {
				p.twos[i] = reply(answer)
			}
		}
	}
}

// near is how likely one wrong fact makes an answer of another one: a column off by one or
// two, any of them alike. A child who answers rightly what is asked of a number alone makes any
// of the slips now and then, or is one off.
func (p *predicted) near(from, to reply) float64 {
	if p.columns == 0 {
		return p.unlike(from, to)
	}
	if from < 0 || to < 0 {
		return 0
	}
	off := int(to - from)
	if off < 0 {
		off = -off
	}
	if off == 0 {
		return 0
	}
	column := 0
	for off%10 == 0 {
		off /= 10
		column++
	}
	if off > 2 || column >= p.columns {
		return 0
	}
	return 1 / float64(4*p.columns)
}

// unlike is near where nothing is worked in columns.
func (p *predicted) unlike(from, to reply) float64 {
	ways, found := 2, from >= 0 && (to == from+1 || to == from-1)
	for _, r := range p.ones {
		if r == p.right {
			continue
		}
		ways++
		found = found || r == to && from == p.right
	}
	if !found || from == to {
		return 0
	}
	return 1 / float64(ways)
}

// any is how likely a child who writes any number writes this one: mostly of as many digits
// as the right one.
func (p *predicted) any(given reply) float64 {
	const asLong, oneMore = .9, .08
	most := math.Pow10(1)
	for r := p.right / 10; r > 0; r /= 10 {
		most *= 10
	}
	switch {
	case given < 0 || p.right < 0:
		return 1e-3
	case float64(given) < most:
		return asLong / most
	case float64(given) < 10*most:
		return oneMore / (9 * most)
	}
	return 1e-7
}

func (p *predicted) gives(i int, given reply) bool {
	if p.ones[i] == given || p.also == nil {
		return p.ones[i] == given
	}
	also, more := p.also[i]
	return more && also == given
}
