package ladder

import (
	"hash/maphash"
	"slices"

	"vineswap/core/book"
	"vineswap/core/task"
)

// Fold is the record of one child as far as it has been judged: all that is needed
// to go on from there, so that one more event costs the same after two years as on
// the first day. It can be written down (MarshalBinary)
// and read again (ReadFold).
type Fold struct {
	class Class
	lobes map[Key]*lobe
	last  Recent
	keys  []Key    // of the lobes, in order; nil where one has come since
	day   book.Day // of the event that was taken last, and
	seq   int64    // its place in the order in which events were kept
}

// NewFold is the fold of a child of whom nothing is recorded.
func NewFold(class Class) *Fold {
	return &Fold{class: class, lobes: map[Key]*lobe{}, last: Recent{}}
}

// lobe is one string of beads with what it rests on.
type lobe struct {
	Standing
	fold    *Fold
	key     Key
	lacks   []task.Skill
	own     []try    // the last few
	counted []once   // own answers that counted on the day at hand
	lent    []loan   // and what answers elsewhere have lent
	day     book.Day // the day at hand
	uses    []*lobe  // those that work here uses, once they were looked for
}

// try is an own answer; of a right one nothing more is kept.
type try struct {
	wrong  bool
	task   string // its key
	answer string
	day    book.Day
	slips  bool // some slip gives just this answer
}

func tryOf(o answer) try {
	if o.right {
		return try{}
	}
	return try{true, o.key, o.Answer, o.Day, len(o.Task.Explains(o.Answer)) > 0}
}

// once is what counts once a day: a task, or the child's part of it. Its sum comes first: by it two
// are told apart at once.
type once struct {
	sum  uint64
	text string
}

var sums = maphash.MakeSeed()

func onceOf(text string) once { return once{maphash.String(sums, text), text} }

// loan is what a task that counts elsewhere has lent on the day at hand.
type loan struct {
	of    once
	beads Beads
}

// lentBy returns what a task has lent on the day at hand.
func (l *lobe) lentBy(task once) (b Beads, lent bool) {
	for _, of := range l.lent {
		if of.of == task {
			return of.beads, true
		}
	}
	return 0, false
}

// lobe finds the lobe of a key, or begins it.
func (f *Fold) lobe(key Key) *lobe {
	if l := f.lobes[key]; l != nil {
		return l
	}
	l := &lobe{fold: f, key: key}
	l.anew()
	f.lobes[key], f.keys = l, nil
	return l
}

// For is the fold with what bears on judging in its class as it is now.
func (f *Fold) For(class Class) *Fold {
	f.class = class
	return f
}

// Follows tells whether an event comes after all that were taken. One that does
// not changes what was judged since, so that all has to be judged anew.
func (f *Fold) Follows(e Event) bool {
	return e.Day() > f.day || e.Day() == f.day && e.Seq >= f.seq
}

// Take judges one event more. Events come in the order in which they happened.
func (f *Fold) Take(e Event) {
	f.day, f.seq = e.Day(), e.Seq
	if e.Overrule == nil {
		f.last.take(e.Seen)
	}
	if e.Stage == "" {
		return // of a kind that has no stages: recorded, not judged
	}
	l := f.lobe(e.Key)
	if e.Overrule != nil {
		l.overrule(*e.Overrule)
		return
	}
	o := answerOf(e.Key, e.Seen)
	if !l.see(o) {
		return
	}
	for _, used := range f.used(l) {
		used.borrow(o)
	}
}

// used are the lobes that work at a lobe uses, begun where they are not there yet.
func (f *Fold) used(l *lobe) []*lobe {
	if l.uses == nil {
		keys := usedBy(l.key)
		l.uses = make([]*lobe, len(keys))
		for i, key := range keys {
			l.uses[i] = f.lobe(key)
		}
	}
	return l.uses
}

// Standings are how the child stands by all that was taken.
func (f *Fold) Standings() Standings {
	all := Standings{}
	found := findings{last: f.last}
	for key, l := range f.lobes {
		if l.State != NotYet {
			all[key] = l.standing(&found)
		}
	}
	return all
}

// Standing is how the child stands at one stage in one manner.
func (f *Fold) Standing(key Key) Standing {
	if l := f.lobes[key]; l != nil {
		return l.standing(&findings{last: f.last})
	}
	return Standing{}
}

func (l *lobe) standing(found *findings) Standing {
	s := l.Standing
	if !l.asJudged() {
		s.Missing = slices.Clone(l.lacks)
	}
	s.Recent = len(l.own)
	if l.State == Secure {
		return s // which answers were wrong is told of what is not secure
	}
	wrong := 0
	for _, t := range l.own {
		if t.wrong {
			wrong++
		}
	}
	if wrong == 0 {
		return s
	}
	explained := 0
	s.Wrong = make([]Try, 0, wrong)
	for _, t := range l.own {
		if !t.wrong {
			continue
		}
		s.Wrong = append(s.Wrong, Try{t.task, t.answer, t.day})
		if t.slips {
			explained++
		}
	}
	if explained >= leastExplained {
		s.Slips, s.Fits = found.explain(s.Wrong)
	}
	return s
}
