package say

import (
	"fmt"
	"strings"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/number"
	"vineswap/core/place"
)

// clauseWords say each clause of a reason as a sentence.
var clauseWords = map[ladder.ClauseKind]func(w Words, stage choose.StageID, c ladder.Clause, today book.Day) string{
	ladder.NothingYet: func(Words, choose.StageID, ladder.Clause, book.Day) string { return "Nothing is recorded yet." },
	ladder.ShownOn: func(_ Words, _ choose.StageID, c ladder.Clause, today book.Day) string {
		return fmt.Sprintf("Shown %s, not tried yet.", onDay(c.Day, today))
	},
	ladder.ByGuide: func(w Words, _ choose.StageID, c ladder.Clause, today book.Day) string {
		return fmt.Sprintf("The %s’s own judgement, %s: %s. Only work after it counts from now on.", w.TheAdult(), onDay(c.Day, today), State(c.State))
	},
	ladder.CountedFrom: func(w Words, _ choose.StageID, c ladder.Clause, today book.Day) string {
		return fmt.Sprintf("Counted from the %s’s judgement %s: %s.", w.TheAdult(), onDay(c.Day, today), State(c.State))
	},
	ladder.BeadsHeld: func(_ Words, _ choose.StageID, c ladder.Clause, _ book.Day) string {
		if c.More == 0 {
			return Beads(c.Beads) + "."
		}
		return fmt.Sprintf("%s: %s more right alone.", Beads(c.Beads), counted(c.More))
	},
	ladder.BeadsBack: func(_ Words, _ choose.StageID, c ladder.Clause, _ book.Day) string {
		return fmt.Sprintf("%s: secure again with %s more right alone.", Beads(c.Beads), counted(c.More))
	},
	ladder.LentBeads: func(_ Words, _ choose.StageID, c ladder.Clause, _ book.Day) string {
		return fmt.Sprintf("%s came from later work that uses this.", fraction(c.Beads))
	},
	ladder.StillToSee: func(w Words, stage choose.StageID, c ladder.Clause, _ book.Day) string {
		var skills []string
		for _, s := range c.Skill {
			skills = append(skills, w.Skill(stage, s))
		}
		is := "is"
		if len(skills) > 1 {
			is = "are"
		}
		return fmt.Sprintf("%s %s still to be seen.", capital(list(skills)), is)
	},
	ladder.AsideToo: func(_ Words, _ choose.StageID, c ladder.Clause, _ book.Day) string {
		if c.N == 1 {
			return "One answer was in a place where this is not practised: it adds no bead."
		}
		return fmt.Sprintf("%s answers were in places where this is not practised: they add no bead.", capital(counted(c.N)))
	},
	ladder.DaysToSee: func(_ Words, _ choose.StageID, c ladder.Clause, _ book.Day) string {
		if c.N == 0 {
			return "Nothing right alone yet."
		}
		return "Right alone on one day so far: a second day is needed."
	},
	ladder.RightAlone: func(_ Words, _ choose.StageID, c ladder.Clause, today book.Day) string {
		return fmt.Sprintf("Right alone %s on %s, last %s.", times(c.N), days(c.Days), onDay(c.Day, today))
	},
	ladder.WrongToo: func(_ Words, _ choose.StageID, c ladder.Clause, _ book.Day) string {
		if c.Of == 1 {
			return "The one answer was wrong."
		}
		return fmt.Sprintf("Wrong %s of %d answers.", times(c.N), c.Of)
	},
	ladder.SecureSince: func(_ Words, _ choose.StageID, c ladder.Clause, today book.Day) string {
		return fmt.Sprintf("Secure since %s.", ShortDay(c.Day, today))
	},
	ladder.NotSeenFor: func(_ Words, _ choose.StageID, c ladder.Clause, today book.Day) string {
		return fmt.Sprintf("Not worked for %s after %s, nor anything that uses it.", schoolWeeks(c.N), ShortDay(c.Day, today))
	},
	ladder.NotAloneYet: func(_ Words, _ choose.StageID, c ladder.Clause, today book.Day) string {
		first := ""
		if c.N > 1 {
			first = "first "
		}
		return fmt.Sprintf("Looked at again %s, %s%s, and not right alone.", times(c.N), first, onDay(c.Day, today))
	},
	ladder.WrongLately: func(w Words, _ choose.StageID, c ladder.Clause, _ book.Day) string {
		var wrong []string
		for _, x := range c.Tries {
			said := x.Key
			if a, of := number.From(x.Task()); of {
				wrong = append(wrong, w.instead(a, given(x.Answer)))
				continue
			}
			if of := x.Task(); of.Data != nil {
				said = w.Task(of)
			}
			wrong = append(wrong, fmt.Sprintf("%s\u00a0=\u00a0%s", said, given(x.Answer)))
		}
		return fmt.Sprintf("%s: %s.", wrongOf(c), list(wrong))
	},
	ladder.OneSlip: func(_ Words, _ choose.StageID, c ladder.Clause, _ book.Day) string {
		what := "One slip explains"
		if len(c.Slips[0]) > 1 {
			what = "Two slips explain"
		}
		said := fmt.Sprintf("%s %d of these %d: %s.", what, c.N, c.Of, Slips(c.Slips[0]))
		for _, also := range c.Slips[1:] {
			said += fmt.Sprintf(" Or: %s.", Slips(also))
		}
		return said
	},
}

// wrongOf says how many of the last answers are wrong.
func wrongOf(c ladder.Clause) string {
	switch {
	case c.Of == 1:
		return "The one answer is wrong"
	case c.N == 1:
		return fmt.Sprintf("1 of the last %d answers is wrong", c.Of)
	}
	return fmt.Sprintf("%d of the last %d answers are wrong", c.N, c.Of)
}

// Beads says how many beads a string has: "5 of 7 beads", "5½ of 7 beads".
func Beads(b ladder.Beads) string {
	if b < 0 {
		return fmt.Sprintf("None of %s beads, and %s to make up first", fraction(ladder.Full), fraction(-b))
	}
	return fmt.Sprintf("%s of %s beads", fraction(b), fraction(ladder.Full))
}

// fraction writes beads with their part of a bead.
func fraction(b ladder.Beads) string {
	whole, part := b/ladder.Bead, b%ladder.Bead
	sign := [ladder.Bead]string{"", "⅛", "¼", "⅜", "½", "⅝", "¾", "⅞"}[part]
	if whole == 0 && part > 0 {
		return sign
	}
	return fmt.Sprint(int(whole), sign)
}

var ordinals = []string{"", "first", "second", "third", "fourth", "fifth", "sixth", "seventh", "eighth", "ninth"}

// Ordinal says which time it is: "third", "12th".
func Ordinal(n int) string {
	if n > 0 && n < len(ordinals) {
		return ordinals[n]
	}
	ending := "th"
	if tens := n / 10 % 10; tens != 1 && n%10 > 0 && n%10 < 4 {
		ending = []string{"", "st", "nd", "rd"}[n%10]
	}
	return fmt.Sprint(n, ending)
}

// counted says a small number in words: "two".
func counted(n int) string { return place.Number(n).Words(false) }

func schoolWeeks(n int) string {
	if n == 1 {
		return "one school week"
	}
	return fmt.Sprintf("%d school weeks", n)
}

// given is an answer as it is written in a sentence.
func given(text string) string {
	if text == "" {
		return "nothing"
	}
	return text
}

// Reason says why a stage is in its state in a manner on a day.
func (w Words) Reason(stage choose.StageID, l ladder.Lobe, today book.Day) string {
	return w.clauses(stage, l.Reasons(), today)
}

// briefWords say the one clause that tells most, in a line for a list; the first of
// these that a reason has is said.
var briefWords = []struct {
	kind ladder.ClauseKind
	say  func(c ladder.Clause, today book.Day) string
}{
	{ladder.OneSlip, func(c ladder.Clause, _ book.Day) string {
		return fmt.Sprintf("%s: %d of %d wrong.", capital(Slips(c.Slips[0])), c.N, c.Of)
	}},
	{ladder.WrongLately, func(c ladder.Clause, _ book.Day) string {
		return wrongOf(c) + "."
	}},
	{ladder.NotSeenFor, func(c ladder.Clause, today book.Day) string {
		return fmt.Sprintf("Not worked for %s after %s.", schoolWeeks(c.N), ShortDay(c.Day, today))
	}},
}

// InBrief says in one line why a stage is in its state in a manner: what is wrong, or
// for how long it was not seen; where there is neither, the whole reason.
func (w Words) InBrief(stage choose.StageID, l ladder.Lobe, today book.Day) string {
	clauses := l.Reasons()
	for _, brief := range briefWords {
		for _, c := range clauses {
			if c.Kind == brief.kind {
				return brief.say(c, today)
			}
		}
	}
	return w.clauses(stage, clauses, today)
}

func (w Words) clauses(stage choose.StageID, clauses []ladder.Clause, today book.Day) string {
	said := make([]string, len(clauses))
	for i, c := range clauses {
		said[i] = clauseWords[c.Kind](w, stage, c, today)
	}
	return strings.Join(said, " ")
}

// metWords say why a stage that comes before counts as met.
var metWords = map[ladder.Why]string{
	ladder.NotHere:   "%s counts as met: the class’s numbers do not go that far.",
	ladder.ByUse:     "%s counts as met: a later stage that uses it is secure.",
	ladder.ByTold:    "%s counts as met: the child was said to be able to do it.",
	ladder.ByArrival: "%s counts as met: there was work with two-digit numbers before this stage was added.",
}

// ReadyBecause says what makes a stage ready.
func (w Words) ReadyBecause(proofs []ladder.Proof, today book.Day) string {
	if len(proofs) == 0 {
		return "Nothing has to be learnt before it."
	}
	said := make([]string, len(proofs))
	for i, p := range proofs {
		name := capital(w.Stage(p.Stage))
		if words, other := metWords[p.Why]; other {
			said[i] = fmt.Sprintf(words, name)
			continue
		}
		said[i] = fmt.Sprintf("%s is secure %s since %s.", name, InManner(p.Manner), ShortDay(p.Since, today))
	}
	return strings.Join(said, " ")
}

// stepWords say what to do next, with the manner and the stage.
var stepWords = map[ladder.StepKind]string{
	ladder.GoBack: "Back to %s, %s", ladder.LookAgain: "Check again %s, %s", ladder.GoOn: "Go on %s, %s", ladder.Begin: "Begin %s, %s", ladder.KeepUp: "Work again %s, %s",
	ladder.Leave: "Try one %s, %s", ladder.Return: "Back to %s, %s",
}

// NextStep says what to do next, and why.
func (w Words) NextStep(s ladder.NextStep, proofs []ladder.Proof, today book.Day) (do, why string) {
	name := fmt.Sprintf("%s: %s", Strand(ladder.StrandOf(s.Stage)), w.Stage(s.Stage))
	switch {
	case s.Kind == ladder.LetBe:
		return fmt.Sprintf("Let the child repeat it, %s", name), fmt.Sprintf("The child chose this today, %s, for the %s time. A child who repeats by choice is not moved on that day.", InManner(s.Manner), Ordinal(s.Lobe.Chosen))
	case s.Kind == ladder.GoBack && s.Manner == s.Lobe.Manner:
		return fmt.Sprintf("Stay %s, %s", InManner(s.Manner), name), w.Reason(s.Stage, s.Lobe, today)
	case s.Kind == ladder.Leave:
		return fmt.Sprintf(stepWords[s.Kind], InManner(s.Manner), name), leaveBecause(s)
	case s.Kind == ladder.GoBack || s.Kind == ladder.Return:
		return fmt.Sprintf(stepWords[s.Kind], Manner(s.Manner), name), w.Reason(s.Stage, s.Lobe, today)
	case s.Kind == ladder.Begin:
		return fmt.Sprintf(stepWords[s.Kind], InManner(s.Manner), name), w.ReadyBecause(proofs, today)
	}
	return fmt.Sprintf(stepWords[s.Kind], InManner(s.Manner), name), w.Reason(s.Stage, s.Lobe, today)
}

// leaveBecause is why a child can try one without pieces.
func leaveBecause(s ladder.NextStep) string {
	is := InManner(s.Lobe.Manner)
	if s.Lobe.State == ladder.Secure {
		is = "secure " + is
	}
	return fmt.Sprintf("%s, the last %s right alone: on one day one %s and one %s. The pieces stay in reach.", capital(is), counted(s.Lobe.InRow), InManner(s.Lobe.Manner), InManner(s.Manner))
}

// PassedBy is why a stage has a knot and no leaf.
const PassedBy = "Covered by later work: never recorded, and a later stage that uses it is secure."

// TakenAsMet is why a stage that came late has neither leaf nor bud.
const TakenAsMet = "Counts as met: there was work with two-digit numbers before this stage was added. It can be worked all the same."

// MetByTold is why a stage counts as met of which nothing is recorded.
const MetByTold = "Counts as met: the child was said to be able to do it. It can be worked all the same."

var toldNames = map[ladder.Told]string{
	ladder.CountsToTen: "count to ten", ladder.ReadsTens: "read tens and ones", ladder.AddsNoSwap: "add, no {swap}", ladder.SwapsAlready: "{swap} already",
}

var toldExamples = map[ladder.Told]string{
	ladder.CountsToTen: "1 2 3 … 10", ladder.ReadsTens: "47", ladder.AddsNoSwap: "23 + 45", ladder.SwapsAlready: "27 + 45",
}

// ToldExample shows what children can do by an example: "23 + 45".
func ToldExample(t ladder.Told) string { return toldExamples[t] }

// Told names what children can do: "read tens and ones".
func (w Words) Told(t ladder.Told) string {
	name := strings.ReplaceAll(toldNames[t], "no {swap}", w.NoSwap())
	return strings.ReplaceAll(name, "{swap}", w.forms().verb)
}

// NotYet says what has to come first.
func (w Words) NotYet(waits []choose.StageID) string {
	if len(waits) == 0 {
		return "Nothing is recorded yet."
	}
	var names []string
	for _, id := range waits {
		names = append(names, w.Stage(id))
	}
	return fmt.Sprintf("%s must be secure first, with material.", capital(list(names)))
}

// LeafReason says why a leaf is as it is: the reason of its least settled manner,
// or what comes before the stage.
func (w Words) LeafReason(c ladder.Child, l ladder.Leaf, today book.Day) string {
	if lobe, of := l.Least(); of {
		return fmt.Sprintf("%s: %s", capital(InManner(lobe.Manner)), lower(w.Reason(l.Stage, lobe, today)))
	}
	switch {
	case l.State == ladder.Ready:
		return w.ReadyBecause(c.Proofs(l.Stage, today), today)
	case l.State == ladder.Passed:
		return PassedBy
	case c.Met[l.Stage]:
		return TakenAsMet
	case c.TakenAsMet(l.Stage):
		return MetByTold
	}
	return w.NotYet(c.Waits(l.Stage))
}

// lower writes the first letter small.
func lower(s string) string {
	if s == "" || s[0] < 'A' || s[0] > 'Z' {
		return s
	}
	return string(s[0]|0x20) + s[1:]
}
