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
	ID, Name  string
	Standings ladder.Standings
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

// Need is what a child needs most in a strand.
type Need string

// The needs, most pressing first.
const (
	Steady    Need = "steady"      // wobbling
	Check     Need = "check-again" // secure and not seen for a while
	Start     Need = "ready"       // ready for a stage that nobody has shown
	Growing   Need = "growing"     // under way
	Unseen    Need = "unseen"      // nothing is known yet
	Near      Need = "near"        // ready for the stage, or at it
	Before    Need = "before"      // the stage is still ahead
	Beyond    Need = "beyond"      // secure there
	AfterLong Need = "long"        // waiting for more than a week
	Lately    Need = "lately"      // seen within a week
)

// Group is some children in a row, with what they have in common.
type Group struct {
	Need     Need
	Children []Child
}

// longWait is after how many days a child has waited long.
const longWait = 7

// Groups puts the children in an order. The stage counts for nearness alone.
func Groups(order Order, children []Child, strand ladder.Strand, stage choose.StageID, today book.Day) []Group {
	list := slices.Clone(children)
	needs := map[string]Need{}
	rank := map[string]int{}
	for _, c := range list {
		needs[c.ID], rank[c.ID] = place(order, c, strand, stage, today)
	}
	all := []Need{Steady, Check, Start, Growing, Near, Before, Beyond, AfterLong, Lately, Unseen}
	slices.SortStableFunc(list, func(a, b Child) int {
		return cmp.Or(
			cmp.Compare(slices.Index(all, needs[a.ID]), slices.Index(all, needs[b.ID])),
			cmp.Compare(rank[a.ID], rank[b.ID]),
			cmp.Compare(a.Name, b.Name),
		)
	})
	var groups []Group
	for _, c := range list {
		if n := len(groups); n == 0 || groups[n-1].Need != needs[c.ID] {
			groups = append(groups, Group{Need: needs[c.ID]})
		}
		g := &groups[len(groups)-1]
		g.Children = append(g.Children, c)
	}
	return groups
}

// place says which need a child has in an order, and its rank in that group.
func place(order Order, c Child, strand ladder.Strand, stage choose.StageID, today book.Day) (Need, int) {
	last, seen := c.Standings.LastSeen()
	vine := c.Standings.Vine(strand, today)
	switch {
	case order == ByWait && !seen:
		return AfterLong, -1 << 30
	case order == ByWait && today-last > longWait:
		return AfterLong, int(last)
	case order == ByWait:
		return Lately, int(last)
	case order == ByNearness:
		return nearness(vine, stage)
	}
	return need(vine, seen)
}

// need is the most pressing state of a vine; rank is how far it has grown.
func need(vine []ladder.Leaf, seen bool) (Need, int) {
	has := map[ladder.State]bool{}
	height := 0
	for i, leaf := range vine {
		has[leaf.State] = true
		if lobe, of := leaf.Worst(); of && lobe.State != ladder.NotYet {
			height = i
		}
	}
	switch {
	case !seen:
		return Unseen, height
	case has[ladder.Wobbling]:
		return Steady, height
	case has[ladder.CheckAgain]:
		return Check, height
	case has[ladder.Ready] && !has[ladder.UnderWay] && !has[ladder.Shown]:
		return Start, height
	}
	return Growing, height
}

// nearness groups by where a stage lies for a child: at it, ahead, behind.
func nearness(vine []ladder.Leaf, stage choose.StageID) (Need, int) {
	at, height := 0, 0
	for i, leaf := range vine {
		if leaf.Stage == stage {
			at = i
		}
		if _, worked := leaf.Worst(); worked {
			height = i
		}
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
		for _, leaf := range c.Standings.Vine(strand, today) {
			all[c.ID][leaf.Stage] = leaf
		}
	}
	return all
}

// Proposed says who sits together for a lesson at a stage: those who are ready
// for it or wobble there first, then those who are under way, each the longest
// without a lesson first, at most so many. Who repeats something by choice is
// left alone.
func Proposed(children []Child, stage choose.StageID, most int, today book.Day) []Child {
	return proposed(children, leavesOf(children, ladder.StrandOf(stage), today), stage, most)
}

func proposed(children []Child, all leaves, stage choose.StageID, most int) []Child {
	type candidate struct {
		Child
		rank int
		last book.Day
	}
	var candidates []candidate
	for _, c := range children {
		if key, _, repeats := c.Standings.Repeats(); repeats && key.Stage != stage {
			continue
		}
		rank := slices.Index([]ladder.State{ladder.Wobbling, ladder.Ready, ladder.CheckAgain, ladder.Shown, ladder.UnderWay}, all[c.ID][stage].State)
		if rank >= 0 {
			last, _ := c.Standings.LastSeen()
			candidates = append(candidates, candidate{c, max(rank, 1), last})
		}
	}
	slices.SortStableFunc(candidates, func(a, b candidate) int {
		return cmp.Or(cmp.Compare(a.rank, b.rank), cmp.Compare(a.last, b.last), cmp.Compare(a.Name, b.Name))
	})
	var out []Child
	for _, c := range candidates[:min(len(candidates), most)] {
		out = append(out, c.Child)
	}
	return out
}

// Fullest returns the stage of a strand at which most children wobble, are ready
// or are to be checked: the one to look at first. Stages that numbers can be
// drawn for come before others, and of stages alike the first.
func Fullest(children []Child, strand ladder.Strand, today book.Day) choose.StageID {
	counts := map[choose.StageID]int{}
	for _, c := range children {
		for _, leaf := range c.Standings.Vine(strand, today) {
			if slices.Contains([]ladder.State{ladder.Wobbling, ladder.Ready, ladder.CheckAgain}, leaf.State) {
				counts[leaf.Stage]++
				if _, err := choose.ParseStage(string(leaf.Stage)); err == nil {
					counts[leaf.Stage] += len(children)
				}
			}
		}
	}
	best := ladder.Stages(strand)[0].ID
	for _, stage := range ladder.Stages(strand) {
		if counts[stage.ID] > counts[best] {
			best = stage.ID
		}
	}
	return best
}

// Meeting is a lesson that suggests itself: who sits together at which stage, and
// how many of them stand how.
type Meeting struct {
	Stage    choose.StageID
	Children []Child
	Counts   map[ladder.State]int
}

// Meetings suggests lessons at stages that numbers can be drawn for, those first
// at which most children wobble or are ready; nobody sits at two. Each has at
// most so many seats.
func Meetings(children []Child, seats, most int, today book.Day) []Meeting {
	var list []Meeting
	rest := slices.Clone(children)
	all := map[ladder.Strand]leaves{}
	for _, strand := range ladder.Strands() {
		all[strand] = leavesOf(children, strand, today)
	}
	for len(list) < most {
		var best Meeting
		for _, stage := range choose.Stages() {
			if !stage.Laid() {
				continue
			}
			if m := meeting(rest, all[ladder.StrandOf(stage)], stage, seats); m.presses() > best.presses() {
				best = m
			}
		}
		if best.presses() == 0 {
			return list
		}
		list = append(list, best)
		rest = slices.DeleteFunc(rest, func(c Child) bool {
			return slices.ContainsFunc(best.Children, func(x Child) bool { return x.ID == c.ID })
		})
	}
	return list
}

// presses is how many of a meeting wobble or are ready.
func (m Meeting) presses() int { return m.Counts[ladder.Wobbling] + m.Counts[ladder.Ready] }

func meeting(children []Child, all leaves, stage choose.StageID, seats int) Meeting {
	m := Meeting{Stage: stage, Children: proposed(children, all, stage, seats), Counts: map[ladder.State]int{}}
	for _, c := range m.Children {
		m.Counts[all[c.ID][stage].State]++
	}
	return m
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
		last, seen := c.Standings.LastSeen()
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

// Look is a stage of a child that wants to be looked at.
type Look struct {
	Child
	Stage choose.StageID
	Lobe  ladder.Lobe
}

// LookAgain lists what wants to be looked at, one stage for a child and at most
// so many: what wobbles first, the newest before the older, then what was not
// seen for long, the longest first.
func LookAgain(children []Child, most int, today book.Day) []Look {
	var wobbles, stale []Look
	for _, c := range children {
		if l, has := c.newest(ladder.Wobbling, today); has {
			wobbles = append(wobbles, l)
		} else if l, has := c.newest(ladder.CheckAgain, today); has {
			stale = append(stale, l)
		}
	}
	slices.SortStableFunc(wobbles, func(a, b Look) int { return cmp.Compare(b.Lobe.Grounds.Last, a.Lobe.Grounds.Last) })
	slices.SortStableFunc(stale, func(a, b Look) int { return cmp.Compare(a.Lobe.Grounds.Last, b.Lobe.Grounds.Last) })
	list := append(wobbles, stale...)
	return list[:min(len(list), most)]
}

// newest is the stage of a child in a state that was worked last.
func (c Child) newest(state ladder.State, today book.Day) (Look, bool) {
	var best Look
	found := false
	for _, strand := range ladder.Strands() {
		for _, leaf := range c.Standings.Vine(strand, today) {
			lobe, of := leaf.Worst()
			if of && leaf.State == state && (!found || lobe.Grounds.Last > best.Lobe.Grounds.Last) {
				best, found = Look{c, leaf.Stage, lobe}, true
			}
		}
	}
	return best, found
}
