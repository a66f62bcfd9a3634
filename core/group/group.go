// Package group orders the children of a class and says who sits together for
// the next lesson.
package group

import (
	"cmp"
	"slices"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/ladder"
)

// Child is a learner with what the records say.
type Child struct {
	ID, Name string
	ladder.Child
	Away bool // it is not here today
}

// Order is how the children of a class stand.
type Order string

// By need, by the time since the last lesson, by nearness to a stage.
const (
	ByNeed     Order = "need"
	ByWait     Order = "wait"
	ByNearness Order = "near"
)

// Orders returns all orders.
func Orders() []Order { return []Order{ByNeed, ByWait, ByNearness} }

// Need is what a child needs most.
type Need string

// The needs, most pressing first; then what children have in common in the other
// orders.
const (
	Steady  Need = "steady"      // wobbling
	Check   Need = "check-again" // secure and not seen for a while
	Start   Need = "ready"       // ready for a stage, and nothing is under way
	Growing Need = "growing"     // under way
	Unseen  Need = "unseen"      // nothing is known yet

	Near      Need = "near"   // ready for the stage, or at it
	Before    Need = "before" // the stage is still ahead
	Beyond    Need = "beyond" // secure there
	AfterLong Need = "long"   // waiting for more than a week
	Lately    Need = "lately" // seen within a week
)

// needs are in the order of the groups of a class.
var needs = []Need{Steady, Check, Start, Growing, Near, Before, Beyond, AfterLong, Lately, Unseen}

// Pressing is a child with what it needs most: the one ranking that the class, the
// morning and a child's page go by.
type Pressing struct {
	Child
	Need  Need
	Stage choose.StageID // of what wobbles or is to be checked
	Lobe  ladder.Lobe
	rank  int // within the need: less comes first
}

// Ranked puts children in the order of what they need most in some strands: what
// wobbles first, the newest before the older; then what is to be checked, the
// longest unseen first; then who is ready, and who is under way, the longest
// without a lesson first; at last those of whom nothing is known.
func Ranked(children []Child, strands []ladder.Strand, today book.Day) []Pressing {
	list := make([]Pressing, len(children))
	for i, c := range children {
		list[i] = pressing(c, strands, today)
	}
	slices.SortStableFunc(list, func(a, b Pressing) int {
		return cmp.Or(
			cmp.Compare(slices.Index(needs, a.Need), slices.Index(needs, b.Need)),
			cmp.Compare(a.rank, b.rank),
			cmp.Compare(a.Name, b.Name),
		)
	})
	return list
}

func pressing(c Child, strands []ladder.Strand, today book.Day) Pressing {
	last, seen := c.LastSeen()
	if !seen {
		return Pressing{Child: c, Need: Unseen}
	}
	p := Pressing{Child: c, Need: Growing, rank: int(last)}
	ready, begun := false, false
	for _, strand := range strands {
		for _, leaf := range c.Vine(strand, today) {
			ready = ready || leaf.State == ladder.Ready
			begun = begun || len(leaf.In(ladder.UnderWay))+len(leaf.In(ladder.Shown)) > 0
			for _, lobe := range leaf.In(ladder.Wobbling) {
				p.press(Steady, -int(lobe.Since), leaf.Stage, lobe)
			}
			for _, lobe := range leaf.In(ladder.CheckAgain) {
				p.press(Check, int(lobe.Used), leaf.Stage, lobe)
			}
		}
	}
	if p.Need == Growing && ready && !begun {
		p.Need = Start
	}
	return p
}

// press takes a lobe for what the child needs most, where it presses more.
func (p *Pressing) press(need Need, rank int, stage choose.StageID, lobe ladder.Lobe) {
	by := cmp.Compare(slices.Index(needs, need), slices.Index(needs, p.Need))
	if by < 0 || by == 0 && rank < p.rank {
		p.Need, p.rank, p.Stage, p.Lobe = need, rank, stage, lobe
	}
}

// Group is some children in a row, with what they have in common.
type Group struct {
	Need     Need
	Children []Child
}

// longWait is after how many days a child has waited long.
const longWait = 7

// Groups puts the children in an order. The stage counts for nearness alone.
func Groups(order Order, children []Child, strand ladder.Strand, stage choose.StageID, today book.Day) []Group {
	list := Ranked(children, []ladder.Strand{strand}, today)
	if order != ByNeed {
		for i := range list {
			list[i].Need, list[i].rank = place(order, list[i].Child, strand, stage, today)
		}
		slices.SortStableFunc(list, func(a, b Pressing) int {
			return cmp.Or(
				cmp.Compare(slices.Index(needs, a.Need), slices.Index(needs, b.Need)),
				cmp.Compare(a.rank, b.rank),
				cmp.Compare(a.Name, b.Name),
			)
		})
	}
	var groups []Group
	for _, p := range list {
		if n := len(groups); n == 0 || groups[n-1].Need != p.Need {
			groups = append(groups, Group{Need: p.Need})
		}
		g := &groups[len(groups)-1]
		g.Children = append(g.Children, p.Child)
	}
	return groups
}

// place says what a child has in common with others in an order, and its rank
// among them.
func place(order Order, c Child, strand ladder.Strand, stage choose.StageID, today book.Day) (Need, int) {
	last, seen := c.LastSeen()
	switch {
	case order == ByNearness:
		return nearness(c.Vine(strand, today), stage)
	case !seen:
		return AfterLong, -1 << 30
	case today-last > longWait:
		return AfterLong, int(last)
	}
	return Lately, int(last)
}

// nearness groups by where a stage lies for a child: at it, ahead, behind.
func nearness(vine []ladder.Leaf, stage choose.StageID) (Need, int) {
	at, height := 0, 0
	for i, leaf := range vine {
		if leaf.Stage == stage {
			at = i
		}
		if _, worked := leaf.Least(); worked {
			height = i
		}
	}
	if len(vine) == 0 {
		return Before, 0
	}
	switch vine[at].State {
	case ladder.NotYet, ladder.Passed:
		return Before, at - height
	case ladder.Secure:
		return Beyond, height - at
	}
	return Near, -height
}

// leaves are those of a strand by child and stage.
type leaves map[string]map[choose.StageID]ladder.Leaf

func leavesOf(children []Child, strand ladder.Strand, today book.Day) leaves {
	all := leaves{}
	for _, c := range children {
		all[c.ID] = map[choose.StageID]ladder.Leaf{}
		for _, leaf := range c.Vine(strand, today) {
			all[c.ID][leaf.Stage] = leaf
		}
	}
	return all
}

// ProposedAt says, for each stage of a strand, who sits together for a lesson there:
// those who are ready for it or wobble there first, then those who are under way, each
// the longest without a lesson first, at most so many. Who works something else by
// choice today is left alone, and nobody sits beside a child from whom it is kept apart.
func ProposedAt(children []Child, strand ladder.Strand, most int, apart []Pair, today book.Day) map[choose.StageID][]Child {
	leaves, all := leavesOf(children, strand, today), map[choose.StageID][]Child{}
	for _, stage := range ladder.Stages(strand) {
		all[stage.ID] = proposed(children, leaves, stage.ID, most, apart, today)
	}
	return all
}

func proposed(children []Child, all leaves, stage choose.StageID, most int, apart []Pair, today book.Day) []Child {
	type candidate struct {
		Child
		rank int
		last book.Day
	}
	var candidates []candidate
	for _, c := range children {
		if key, _, repeats := c.Repeats(today); repeats && key.Stage != stage {
			continue
		}
		rank := slices.Index([]ladder.State{ladder.Wobbling, ladder.Ready, ladder.CheckAgain, ladder.Shown, ladder.UnderWay}, all[c.ID][stage].State)
		if rank >= 0 {
			last, _ := c.LastSeen()
			candidates = append(candidates, candidate{c, max(rank, 1), last})
		}
	}
	slices.SortStableFunc(candidates, func(a, b candidate) int {
		return cmp.Or(cmp.Compare(a.rank, b.rank), cmp.Compare(a.last, b.last), cmp.Compare(a.Name, b.Name))
	})
	var out []Child
	for _, c := range candidates {
		clash := func(x Child) bool {
			return slices.Contains(apart, Pair{x.ID, c.ID}) || slices.Contains(apart, Pair{c.ID, x.ID})
		}
		if len(out) < most && !slices.ContainsFunc(out, clash) {
			out = append(out, c.Child)
		}
	}
	return out
}

// Fullest returns the stage of a strand at which most children wobble, are ready
// or are to be checked: the one to look at first. Stages that can be presented on
// the mat come before others, and of stages alike the first.
func Fullest(children []Child, class ladder.Class, strand ladder.Strand, today book.Day) choose.StageID {
	counts := map[choose.StageID]int{}
	for _, c := range children {
		for _, leaf := range c.Vine(strand, today) {
			if slices.Contains([]ladder.State{ladder.Wobbling, ladder.Ready, ladder.CheckAgain}, leaf.State) {
				counts[leaf.Stage]++
				if leaf.Stage.Laid() {
					counts[leaf.Stage] += len(children)
				}
			}
		}
	}
	var best choose.StageID
	for _, stage := range class.Stages(strand) {
		if best == "" || counts[stage.ID] > counts[best] {
			best = stage.ID
		}
	}
	return best
}

// Waited is a child who waits, and for how many days; Never tells that nothing
// was recorded yet.
type Waited struct {
	Child
	Days  int
	Never bool
}

// Longest returns the children who have waited longest, at most so many; those
// of whom nothing is recorded come first.
func Longest(children []Child, most int, today book.Day) []Waited {
	var list []Waited
	for _, c := range children {
		last, seen := c.LastSeen()
		w := Waited{Child: c, Never: !seen}
		if seen {
			w.Days = int(today - last)
		}
		list = append(list, w)
	}
	slices.SortStableFunc(list, func(a, b Waited) int {
		if a.Never != b.Never {
			return map[bool]int{true: -1, false: 1}[a.Never]
		}
		return cmp.Or(cmp.Compare(b.Days, a.Days), cmp.Compare(a.Name, b.Name))
	})
	return list[:min(len(list), most)]
}

// LookAgain lists what wants to be looked at, one stage for a child and at most so
// many: the first of the ranking who wobble or are to be checked.
func LookAgain(children []Child, most int, today book.Day) []Pressing {
	list := slices.DeleteFunc(Ranked(children, ladder.Strands(), today), func(p Pressing) bool { return p.Need != Steady && p.Need != Check })
	return list[:min(len(list), most)]
}

// Wobbling counts the children who wobble somewhere on a strand.
func Wobbling(children []Child, strand ladder.Strand, today book.Day) int {
	n := 0
	for _, c := range children {
		if slices.ContainsFunc(c.Vine(strand, today), func(l ladder.Leaf) bool { return l.State == ladder.Wobbling }) {
			n++
		}
	}
	return n
}
