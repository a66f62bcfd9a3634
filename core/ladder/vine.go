package ladder

import (
	"cmp"
	"slices"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/task"
)

// Child is how a child stands, with what of its class and of its past bears on
// what it can work next.
type Child struct {
	Standings Standings
	Recent    Recent // the last answers, by which is judged what explains them
	Class     Class
	Met       map[choose.StageID]bool // stages that count as met since they arrived
	Told      Told                    // what it can do, by the word of an adult
	Open      map[choose.StageID]bool // stages that stayed open when another arrived before them

	seen *seen // what is worked out beforehand, for a day
}

// seen is what a child's standings say on a day, worked out once.
type seen struct {
	day     book.Day
	vines   map[Strand][]Leaf
	last    book.Day
	repeats Key
	runs    int
}

// On is the child with all its vines of a day worked out beforehand. Its standings,
// and what of its class bears on them, must not be changed any more.
func (c Child) On(today book.Day) Child {
	c.seen = nil
	s := &seen{day: today, vines: map[Strand][]Leaf{}}
	for _, strand := range Strands() {
		s.vines[strand] = c.Vine(strand, today)
	}
	s.last, _ = c.LastSeen()
	s.repeats, s.runs, _ = c.Repeats(today)
	c.seen = s
	return c
}

// Stages returns the stages of a strand that have numbers in the class's range, in
// teaching order.
func (c Class) Stages(strand Strand) []Stage {
	var list []Stage
	for _, s := range Stages(strand) {
		if s.Within(c.Limit) {
			list = append(list, s)
		}
	}
	return list
}

// Lobe is one manner of a leaf, as it is on a day.
type Lobe struct {
	Manner book.Manner
	State  State
	Standing
	Unseen int // for a state of check again: the school weeks without it, until it was looked at again
}

// Leaf is a stage of a child on a day: a lobe for each manner of the stage.
type Leaf struct {
	Stage     choose.StageID
	State     State // of its least settled lobe, or what the stage is without any
	Best      State // of its most settled lobe
	Lobes     []Lobe
	Explained bool
}

// settled are the states of a lobe, the least settled first.
var settled = []State{Wobbling, CheckAgain, Shown, UnderWay, Secure}

// Least returns the least settled lobe, which gives the leaf its state; false for
// a leaf whose state comes from other stages.
func (l Leaf) Least() (Lobe, bool) {
	i := slices.IndexFunc(l.Lobes, func(lobe Lobe) bool { return lobe.State != NotYet && lobe.State == l.State })
	if i < 0 {
		return Lobe{}, false
	}
	return l.Lobes[i], true
}

// In returns the lobes in a state.
func (l Leaf) In(state State) []Lobe {
	var lobes []Lobe
	for _, lobe := range l.Lobes {
		if lobe.State == state {
			lobes = append(lobes, lobe)
		}
	}
	return lobes
}

// Vine returns the leaves of a strand on a day, first stage first.
func (c Child) Vine(strand Strand, today book.Day) []Leaf {
	if c.seen != nil && c.seen.day == today {
		return c.seen.vines[strand]
	}
	stages := c.Class.Stages(strand)
	leaves := make([]Leaf, len(stages))
	for i, stage := range stages {
		leaves[i] = c.leaf(stage, today)
	}
	return leaves
}

// On is the state of a standing on a day: what is secure may be to be checked again.
func (c Class) On(s Standing, day book.Day) State {
	if s.State == Secure && s.due(c, day) {
		return CheckAgain
	}
	return s.State
}

// Lobe is how the child stands at a stage in a manner on a day.
func (c Child) Lobe(key Key, today book.Day) Lobe {
	s := c.Standings[key]
	lobe := Lobe{Manner: key.Manner, State: c.Class.On(s, today), Standing: s}
	if lobe.State == CheckAgain {
		until := today
		if s.Failed > 0 {
			until = s.Due
		}
		lobe.Unseen = c.Class.between(s.Used, until)
	}
	return lobe
}

func (c Child) leaf(stage Stage, today book.Day) Leaf {
	l := Leaf{Stage: stage.ID, Lobes: make([]Lobe, 0, len(stage.Manners))}
	for _, m := range stage.Manners {
		lobe := c.Lobe(Key{stage.ID, m}, today)
		l.Explained = l.Explained || lobe.Explained
		l.Lobes = append(l.Lobes, lobe)
	}
	least, best := len(settled), -1
	for i := range l.Lobes {
		if at := slices.Index(settled, l.Lobes[i].State); at >= 0 {
			least, best = min(least, at), max(best, at)
		}
	}
	if best >= 0 {
		l.State, l.Best = settled[least], settled[best]
	}
	switch {
	case l.State != NotYet:
	case c.usedBySecure(stage.ID):
		l.State = Passed
	case !c.TakenAsMet(stage.ID) && c.ready(stage):
		l.State = Ready
	}
	return l
}

// usedBySecure tells whether a stage that builds on this one is secure.
func (c Child) usedBySecure(id choose.StageID) bool {
	for k, s := range c.Standings {
		if s.State == Secure && BuildsOn(k.Stage, id) {
			return true
		}
	}
	return false
}

// ready tells whether all that comes before a stage is met, or was when another
// stage arrived before it.
func (c Child) ready(stage Stage) bool {
	if c.Open[stage.ID] {
		return true
	}
	for _, row := range stage.After {
		if !c.opens(row) {
			return false
		}
	}
	return true
}

// opens tells whether one of a row of stages is met. One that is not here counts only
// where none of them is.
func (c Child) opens(row []choose.StageID) bool {
	here := false
	for _, id := range row {
		switch c.met(id) {
		case "":
			here = true
		case NotHere:
		default:
			return true
		}
	}
	return !here
}

// Why is why a stage counts as met.
type Why string

// The reasons, in the order in which they are looked for.
const (
	NotHere   Why = "not-here" // it is not built, or has no numbers in the class's range
	BySecure  Why = "secure"   // with material
	ByUse     Why = "by-use"   // what builds on it is secure
	ByTold    Why = "told"     // an adult said what the child can do
	ByArrival Why = "arrival"  // the child had worked further up when it came
)

// met tells why a stage counts as met; empty where it does not. Its own wobble
// undoes what only other stages say for it.
func (c Child) met(id choose.StageID) Why {
	stage, built := StageByID(id)
	if !built || !stage.Within(c.Class.Limit) {
		return NotHere
	}
	if _, secure := c.secureWithMaterial(id); secure {
		return BySecure
	}
	for _, m := range stage.Manners {
		if c.Standings[Key{id, m}].State == Wobbling {
			return ""
		}
	}
	switch {
	case c.usedBySecure(id):
		return ByUse
	case c.Told.met(id):
		return ByTold
	case c.Met[id]:
		return ByArrival
	}
	return ""
}

// TakenAsMet tells whether a stage counts as met by what was told of the child, or
// since it arrived, without anything recorded of it.
func (c Child) TakenAsMet(id choose.StageID) bool { return c.Met[id] || c.Told.met(id) }

func (c Child) secureWithMaterial(id choose.StageID) (Key, bool) {
	for _, m := range book.Manners() {
		if key := (Key{id, m}); m.WithMaterial() && c.Standings[key].State == Secure {
			return key, true
		}
	}
	return Key{}, false
}

// Proof is a stage that comes before another one and is met.
type Proof struct {
	Stage choose.StageID
	Why   Why
	Lobe  // where it is secure with material
}

// Proofs returns what makes a stage ready: each stage that is built, comes before
// it and is met.
func (c Child) Proofs(id choose.StageID, today book.Day) []Proof {
	stage, _ := StageByID(id)
	var proofs []Proof
	for _, row := range stage.After {
		for _, before := range row {
			why := c.met(before)
			if _, built := StageByID(before); why == "" || !built {
				continue
			}
			proof := Proof{Stage: before, Why: why}
			if key, secure := c.secureWithMaterial(before); secure {
				proof.Lobe = c.Lobe(key, today)
			}
			proofs = append(proofs, proof)
			break
		}
	}
	return proofs
}

// proven tells whether any stage that comes before a stage is met, as Proofs lists them.
func (c Child) proven(id choose.StageID) bool {
	stage, _ := StageByID(id)
	for _, row := range stage.After {
		for _, before := range row {
			if _, built := StageByID(before); built && c.met(before) != "" {
				return true
			}
		}
	}
	return false
}

// Waits returns the stages that have to be met before a stage and are not.
func (c Child) Waits(id choose.StageID) []choose.StageID {
	stage, _ := StageByID(id)
	var waits []choose.StageID
	for _, row := range stage.After {
		if !c.opens(row) {
			waits = append(waits, row[0])
		}
	}
	return waits
}

// Lacks returns what the child has still to show at a stage in a manner, and how many beads
// it holds there.
func (c Child) Lacks(key Key) ([]task.Skill, Beads) {
	if s, known := c.Standings[key]; known {
		return s.Missing, s.Beads
	}
	if stage, built := StageByID(key.Stage); built {
		return stage.Asks(c.Class.Limit), 0
	}
	return nil, 0
}

// Repeats returns what the child worked by its own choice on a day, and which run
// it was: on that day it is not pushed on. False where it chose nothing.
func (c Child) Repeats(today book.Day) (k Key, runs int, repeats bool) {
	if c.seen != nil && c.seen.day == today {
		return c.seen.repeats, c.seen.runs, c.seen.runs > 0
	}
	for key, s := range c.Standings {
		if s.ChosenOn == today && s.Chosen > 0 && (s.Chosen > runs || s.Chosen == runs && key.Compare(k) < 0) {
			k, runs = key, s.Chosen
		}
	}
	return k, runs, runs > 0
}

// Compare orders keys by their stages, and one stage from its first manner on.
func (k Key) Compare(other Key) int {
	return cmp.Or(cmp.Compare(k.Stage, other.Stage), cmp.Compare(slices.Index(book.Manners(), k.Manner), slices.Index(book.Manners(), other.Manner)))
}

// LastSeen returns the last day on which an adult was with the child at its work; false for
// none yet. A slate among those of the whole class is not that.
func (c Child) LastSeen() (last book.Day, seen bool) {
	if c.seen != nil {
		return c.seen.last, c.seen.last != 0
	}
	for _, s := range c.Standings {
		last = max(last, s.Near)
	}
	return last, last != 0
}

// TwoDigits tells whether a task is work with two digits or more.
func TwoDigits(e Event) bool { return e.Overrule == nil && e.Seen.Task.Largest() > 9 }

// Arrive says what stays of a child's standing when stages arrive: with a record of
// work with two digits all of them count as met for good, and what was ready while
// they were not there stays open.
func (c Child) Arrive(arriving []choose.StageID, events []Event) (met, open []choose.StageID) {
	if slices.ContainsFunc(events, TwoDigits) {
		met = slices.Clone(arriving)
	}
	now := c
	now.Met = map[choose.StageID]bool{}
	for id := range c.Met {
		now.Met[id] = true
	}
	for _, id := range met {
		now.Met[id] = true
	}
	then := now
	then.Met = map[choose.StageID]bool{}
	for id := range now.Met {
		then.Met[id] = true
	}
	for _, id := range arriving {
		then.Met[id] = true // what is not built counts as met
	}
	for _, s := range strands {
		for _, stage := range s.stages {
			if !slices.Contains(arriving, stage.ID) && then.ready(stage) && !now.ready(stage) {
				open = append(open, stage.ID)
			}
		}
	}
	return met, open
}
