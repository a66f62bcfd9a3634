package ladder

import (
	"vineswap/core/book"
	"vineswap/core/slip"
	"vineswap/core/task"
)

// ClauseKind is what a clause of a reason says.
type ClauseKind string

// The clauses.
const (
	NothingYet  ClauseKind = "nothing-yet"   // nothing is recorded
	ShownOn     ClauseKind = "shown-on"      // shown on Day, not worked yet
	ByGuide     ClauseKind = "by-guide"      // judged State by the guide on Day, and nothing worked since
	BeadsHeld   ClauseKind = "beads"         // Beads of the seven; More right answers alone would do
	BeadsBack   ClauseKind = "beads-back"    // Beads of the seven; More right answers alone would make it secure again
	LentBeads   ClauseKind = "lent"          // Beads were lent by work that uses this
	AsideToo    ClauseKind = "aside"         // N of Of own answers were in places that are not about what the stage teaches
	StillToSee  ClauseKind = "still-to-see"  // Skills are still to be seen, alone
	DaysToSee   ClauseKind = "days-to-see"   // right alone on N days, of two that are wanted
	RightAlone  ClauseKind = "right-alone"   // right alone N times on Days days, the last time on Day
	WrongToo    ClauseKind = "wrong-too"     // N of Of own answers were wrong
	CountedFrom ClauseKind = "counted-from"  // all of it counts from the guide's judgement on Day, which was State
	SecureSince ClauseKind = "secure-since"  // since Day
	NotSeenFor  ClauseKind = "not-seen-for"  // not worked for N school weeks after Day, nor anything that uses it
	NotAloneYet ClauseKind = "not-alone-yet" // looked at again N times, the first on Day, and not right alone
	WrongLately ClauseKind = "wrong-lately"  // of the last Of own answers those in Tries are wrong
	OneSlip     ClauseKind = "one-slip"      // Slips explain N of the Of wrong ones
)

// Clause is one part of a reason: a fact of the judgement, as data.
type Clause struct {
	Kind  ClauseKind
	N, Of int
	More  int
	Days  int
	Beads Beads
	Day   book.Day
	State State
	Skill []task.Skill
	Tries []Try
	Slips [][]slip.ID // each one, or two together
}

// more is how many right answers alone lead from so many beads to a goal.
func more(have, goal Beads) int { return int(max(0, goal-have)+Bead-1) / int(Bead) }

// Reasons are why the lobe is in its state, clause by clause.
func (l Lobe) Reasons() []Clause {
	if l.Judged != NotYet && l.Tried == 0 && l.State != CheckAgain {
		return []Clause{{Kind: ByGuide, State: l.Judged, Day: l.JudgedOn}}
	}
	clauses := l.stated()
	if l.Judged != NotYet && l.Tried > 0 {
		clauses = append(clauses, Clause{Kind: CountedFrom, State: l.Judged, Day: l.JudgedOn})
	}
	return clauses
}

// stated are the clauses of the lobe's state.
func (l Lobe) stated() []Clause {
	switch l.State {
	case NotYet:
		return []Clause{{Kind: NothingYet}}
	case Shown:
		return []Clause{{Kind: ShownOn, Day: l.Last}}
	case UnderWay:
		return l.underWay()
	case Wobbling:
		return append([]Clause{{Kind: BeadsBack, Beads: l.Beads, More: more(l.Beads, backAt)}}, l.wrong()...)
	case CheckAgain:
		return l.unseen()
	}
	return l.secure()
}

func (l Lobe) underWay() []Clause {
	clauses := []Clause{{Kind: BeadsHeld, Beads: l.Beads, More: more(l.Beads, Full)}}
	if l.Borrowed > 0 {
		clauses = append(clauses, Clause{Kind: LentBeads, Beads: l.Borrowed})
	}
	if l.Aside > 0 {
		clauses = append(clauses, Clause{Kind: AsideToo, N: l.Aside, Of: l.Tried})
	}
	if len(l.Missing) > 0 && l.Alone > 0 {
		clauses = append(clauses, Clause{Kind: StillToSee, Skill: l.Missing})
	}
	if l.Days < daysAlone {
		clauses = append(clauses, Clause{Kind: DaysToSee, N: l.Days})
	}
	return append(clauses, l.wrong()...)
}

func (l Lobe) secure() []Clause {
	clauses := []Clause{{Kind: SecureSince, Day: l.Since}}
	if l.Alone > 0 {
		clauses = append(clauses, Clause{Kind: RightAlone, N: l.Alone, Days: l.Days, Day: l.AloneOn})
	}
	if wrong := l.Tried - l.Right; wrong > 0 {
		clauses = append(clauses, Clause{Kind: WrongToo, N: wrong, Of: l.Tried})
	}
	return clauses
}

func (l Lobe) unseen() []Clause {
	clauses := []Clause{{Kind: SecureSince, Day: l.Since}, {Kind: NotSeenFor, N: l.Unseen, Day: l.Used}}
	if l.Failed > 0 {
		clauses = append(clauses, Clause{Kind: NotAloneYet, N: l.Failed, Day: l.Due})
	}
	return clauses
}

// wrong are the wrong ones of the last answers, and what explains them.
func (l Lobe) wrong() []Clause {
	if len(l.Wrong) == 0 {
		return nil
	}
	clauses := []Clause{{Kind: WrongLately, N: len(l.Wrong), Of: l.Recent, Tries: l.Wrong}}
	if len(l.Slips) > 0 {
		clauses = append(clauses, Clause{Kind: OneSlip, N: l.Fits, Of: len(l.Wrong), Slips: l.Slips})
	}
	return clauses
}
