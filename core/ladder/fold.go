package ladder

import (
	"encoding/json"
	"maps"
	"slices"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/task"
)

// Fold is the record of one child as far as it has been judged: all that is needed
// to go on from there, so that one more event costs the same after two years as on
// the first day. It can be written down as JSON and read again (ReadFold).
type Fold struct {
	class Class
	lobes map[Key]*lobe
	day   book.Day // of the event that was taken last, and
	seq   int64    // its place in the order in which events were kept
}

// NewFold is the fold of a child of whom nothing is recorded.
func NewFold(class Class) *Fold { return &Fold{class: class, lobes: map[Key]*lobe{}} }

// lobe is one string of beads with what it rests on.
type lobe struct {
	Standing
	fold    *Fold
	key     Key
	lacks   []task.Skill
	own     []try            // the last few
	counted map[string]bool  // tasks that counted on the day at hand, own ones
	lent    map[string]Beads // and what tasks worked elsewhere have lent
	day     book.Day         // the day at hand
}

// try is an own answer; of a right one nothing more is kept.
type try struct {
	Wrong *Try `json:",omitempty"`
}

func tryOf(o book.Observation) try {
	if o.Right() {
		return try{}
	}
	return try{&Try{o.Task, o.Answer, o.Day}}
}

// lobe finds the lobe of a key, or begins it.
func (f *Fold) lobe(key Key) *lobe {
	if l := f.lobes[key]; l != nil {
		return l
	}
	l := &lobe{fold: f, key: key}
	l.anew()
	f.lobes[key] = l
	return l
}

// Follows tells whether an event comes after all that were taken. One that does
// not changes what was judged since, so that all has to be judged anew.
func (f *Fold) Follows(e Event) bool {
	return e.Day() > f.day || e.Day() == f.day && e.Seq >= f.seq
}

// Take judges one event more. Events come in the order in which they happened.
func (f *Fold) Take(e Event) {
	f.day, f.seq = e.Day(), e.Seq
	if e.Stage == "" {
		return // of a kind that has no stages: recorded, not judged
	}
	l := f.lobe(e.Key)
	if e.Overrule != nil {
		l.overrule(*e.Overrule)
		return
	}
	o := e.Seen
	if !l.see(o) {
		return
	}
	lend := func(earlier choose.StageID) {
		stage, _ := StageByID(earlier) // none where it is not built
		for _, m := range stage.Manners {
			if key := (Key{earlier, m}); e.Key.Uses(key) {
				f.lobe(key).borrow(o)
			}
		}
	}
	for _, earlier := range before[e.Stage] {
		lend(earlier)
	}
	lend(e.Stage)
}

// Standings are how the child stands by all that was taken.
func (f *Fold) Standings() Standings {
	all := Standings{}
	for key := range f.lobes {
		if s := f.standing(key); s.State != NotYet {
			s.Slips, s.Fits = explains(s.Wrong)
			all[key] = s
		}
	}
	return all
}

// Standing is how the child stands at one stage in one manner, without what
// explains the wrong answers.
func (f *Fold) Standing(key Key) Standing {
	if f.lobes[key] == nil {
		return Standing{}
	}
	return f.standing(key)
}

func (f *Fold) standing(key Key) Standing {
	l := f.lobes[key]
	s := l.Standing
	if !l.asJudged() {
		s.Missing = slices.Clone(l.lacks)
	}
	s.Recent = len(l.own)
	for _, t := range l.own {
		if t.Wrong != nil {
			s.Wrong = append(s.Wrong, *t.Wrong)
		}
	}
	return s
}

// foldText is how a fold is written down, and lobeText one of its lobes.
type foldText struct {
	Day   book.Day
	Seq   int64
	Lobes []lobeText
}

type lobeText struct {
	Stage    choose.StageID
	Manner   book.Manner
	Standing Standing
	Lacks    []task.Skill     `json:",omitempty"`
	Own      []try            `json:",omitempty"`
	Counted  []string         `json:",omitempty"`
	Lent     map[string]Beads `json:",omitempty"`
	On       book.Day         `json:",omitempty"`
}

// MarshalJSON writes the fold down without what belongs to the class.
func (f *Fold) MarshalJSON() ([]byte, error) {
	keys := slices.SortedFunc(maps.Keys(f.lobes), Key.compare)
	out := foldText{f.day, f.seq, make([]lobeText, len(keys))}
	for i, key := range keys {
		l := f.lobes[key]
		out.Lobes[i] = lobeText{key.Stage, key.Manner, l.Standing, l.lacks, l.own, slices.Sorted(maps.Keys(l.counted)), l.lent, l.day}
	}
	return json.Marshal(out)
}

// ReadFold reads what MarshalJSON wrote, for a child of a class.
func ReadFold(class Class, text []byte) (*Fold, error) {
	var in foldText
	if err := json.Unmarshal(text, &in); err != nil {
		return nil, err
	}
	f := NewFold(class)
	f.day, f.seq = in.Day, in.Seq
	for _, t := range in.Lobes {
		l := f.lobe(Key{t.Stage, t.Manner})
		l.Standing, l.lacks, l.own, l.day = t.Standing, t.Lacks, t.Own, t.On
		for _, key := range t.Counted {
			l.counted[key] = true
		}
		maps.Copy(l.lent, t.Lent)
	}
	return f, nil
}
