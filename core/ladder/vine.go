package ladder

import (
	"slices"

	"vineswap/core/book"
	"vineswap/core/choose"
)

// Key names a stage worked in a manner.
type Key struct {
	Stage  choose.StageID
	Manner book.Manner
}

// Standings are those of one child.
type Standings map[Key]Standing

// daysToCheck is after how many days without being seen a secure stage is to be
// checked again.
const daysToCheck = 28

// Lobe is one manner of a leaf, as it is on a day.
type Lobe struct {
	Manner book.Manner
	State  State
	Standing
}

// Leaf is a stage of a child on a day: a lobe for each manner of the stage.
type Leaf struct {
	Stage     choose.StageID
	State     State // of the whole leaf: the worst of the lobes, or what the stage is without any
	Lobes     []Lobe
	Explained bool
}

// Worst returns the lobe that gives the leaf its state; false for a leaf whose
// state comes from other stages.
func (l Leaf) Worst() (Lobe, bool) {
	for _, lobe := range l.Lobes {
		if lobe.State != NotYet && lobe.State == l.State {
			return lobe, true
		}
	}
	return Lobe{}, false
}

// Vine returns the leaves of a strand on a day, first stage first.
func (s Standings) Vine(strand Strand, today book.Day) []Leaf {
	leaves := make([]Leaf, 0, len(stages[strand]))
	for _, stage := range stages[strand] {
		leaves = append(leaves, s.leaf(stage, today))
	}
	highest := -1
	for i, l := range leaves {
		if l.State != NotYet {
			highest = i
		}
	}
	for i, stage := range stages[strand] {
		switch {
		case leaves[i].State != NotYet:
		case i < highest && (s.builtOn(stage.ID) || stage.entrance()):
			leaves[i].State = Passed
		case s.ready(stage):
			leaves[i].State = Ready
		case i < highest:
			leaves[i].State = Passed
		}
	}
	return leaves
}

func (s Standings) leaf(stage Stage, today book.Day) Leaf {
	l := Leaf{Stage: stage.ID}
	for _, m := range stage.Manners {
		standing := s[Key{stage.ID, m}]
		lobe := Lobe{Manner: m, State: standing.State, Standing: standing}
		if lobe.State == Secure && today-s.seen(stage.ID) > daysToCheck {
			lobe.State = CheckAgain
		}
		l.Explained = l.Explained || standing.Explained
		l.Lobes = append(l.Lobes, lobe)
	}
	for _, state := range []State{Shown, UnderWay, Secure, CheckAgain, Wobbling} {
		for _, lobe := range l.Lobes {
			if lobe.State == state {
				l.State = state
			}
		}
	}
	return l
}

// seen returns the last day on which a stage was worked, in itself or in work
// that uses it, in whatever manner.
func (s Standings) seen(stage choose.StageID) book.Day {
	last := book.Day(0)
	for k, standing := range s {
		if standing.State != Shown && (k.Stage == stage || BuildsOn(k.Stage, stage)) {
			last = max(last, standing.Grounds.Last)
		}
	}
	return last
}

// builtOn tells whether a stage that builds on this one has been worked.
func (s Standings) builtOn(stage choose.StageID) bool {
	for k, standing := range s {
		if standing.State != NotYet && BuildsOn(k.Stage, stage) {
			return true
		}
	}
	return false
}

// entrance tells whether nothing of a built strand comes before the stage: a
// child who works further up has come in by another way.
func (s Stage) entrance() bool {
	for _, row := range s.After {
		for _, id := range row {
			if _, built := StageByID(id); built {
				return false
			}
		}
	}
	return true
}

// ready tells whether what comes before a stage is secure in a manner with
// material.
func (s Standings) ready(stage Stage) bool {
	for _, row := range stage.After {
		if !slices.ContainsFunc(row, s.met) {
			return false
		}
	}
	return true
}

// met tells whether a stage is secure with material, or belongs to a strand that
// is not built.
func (s Standings) met(id choose.StageID) bool {
	if _, built := StageByID(id); !built {
		return true
	}
	_, secure := s.secureWithMaterial(id)
	return secure
}

func (s Standings) secureWithMaterial(id choose.StageID) (Lobe, bool) {
	for _, m := range book.Manners() {
		if standing := s[Key{id, m}]; m.WithMaterial() && standing.State == Secure {
			return Lobe{m, Secure, standing}, true
		}
	}
	return Lobe{}, false
}

// Proof is a stage that makes another one ready, as it stands.
type Proof struct {
	Stage choose.StageID
	Lobe
}

// Proofs returns what makes a stage ready: each stage of a built strand that
// comes before it and is secure with material.
func (s Standings) Proofs(id choose.StageID) []Proof {
	stage, _ := StageByID(id)
	var proofs []Proof
	for _, row := range stage.After {
		for _, before := range row {
			if lobe, secure := s.secureWithMaterial(before); secure {
				proofs = append(proofs, Proof{before, lobe})
				break
			}
		}
	}
	return proofs
}

// Waits returns the stages of built strands that have to be secure with material
// before a stage and are not.
func (s Standings) Waits(id choose.StageID) []choose.StageID {
	stage, _ := StageByID(id)
	var waits []choose.StageID
	for _, row := range stage.After {
		if !slices.ContainsFunc(row, s.met) {
			waits = append(waits, row[0])
		}
	}
	return waits
}

// Repeats returns the stage that a child repeats by choice, and which run it was
// last: the child is not pushed on. False for none, and once the child was seen
// elsewhere.
func (s Standings) Repeats() (k Key, runs int, repeats bool) {
	last := book.Day(0)
	for key, standing := range s {
		if g := standing.Grounds; g.Chosen >= 2 && g.Last > last || g.Chosen >= 2 && g.Last == last && key.less(k) {
			k, runs, last = key, g.Chosen, g.Last
		}
	}
	for _, standing := range s {
		if standing.Grounds.Last > last {
			return Key{}, 0, false
		}
	}
	return k, runs, runs > 0
}

func (k Key) less(other Key) bool {
	if k.Stage != other.Stage {
		return k.Stage < other.Stage
	}
	return slices.Index(book.Manners(), k.Manner) < slices.Index(book.Manners(), other.Manner)
}

// LastSeen returns the last day on which anything was seen of the child; false
// for nothing yet.
func (s Standings) LastSeen() (last book.Day, seen bool) {
	for _, standing := range s {
		last = max(last, standing.Grounds.Last)
	}
	return last, len(s) > 0
}
