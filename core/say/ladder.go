package say

import (
	"fmt"
	"strings"

	"vineswap/core/book"
	"vineswap/core/chain"
	"vineswap/core/choose"
	"vineswap/core/group"
	"vineswap/core/ladder"
	"vineswap/core/number"
	"vineswap/core/numberrods"
	"vineswap/core/opener"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/snake"
	"vineswap/core/swap"
	"vineswap/core/task"
)

var strandNames = map[ladder.Strand][2]string{
	ladder.Tens:    {"tens and ones", "tens and ones"},
	ladder.Places:  {"places", "place value"},
	ladder.Joining: {"adding", "addition"}, ladder.Taking: {"taking away", "subtraction"}, "sharing": {"sharing and equal groups", "multiplication and division"},
}

// Strand names a strand as it is said to children: "adding".
func Strand(s ladder.Strand) string { return strandNames[s][0] }

// StrandHeading names a strand in headings and reports for adults: "addition".
func StrandHeading(s ladder.Strand) string { return strandNames[s][1] }

var operationNames = map[task.Kind]string{
	problem.Sum: "adding", problem.Difference: "taking away", problem.Sharing: "sharing", problem.Grouping: "making groups", problem.Trays: "equal groups",
}

// Operation names what a kind of problem does; empty for other tasks.
func Operation(kind task.Kind) string { return operationNames[kind] }

var helpNames = map[book.Help]string{
	book.Shown: "shown", book.Together: "with help", book.Nudged: "prompted", book.Alone: "alone", book.Explains: "explains",
}

var mannerNames = map[book.Manner][2]string{
	book.Pieces:          {"pieces", "with pieces"},
	book.PiecesAndColumn: {"pieces and column", "with pieces and column"},
	book.Drawn:           {"drawn", "drawn"},
	book.Column:          {"column", "in the column"},
	book.Head:            {"head", "in the head"},
}

// Manner names a manner: "pieces and column".
func Manner(m book.Manner) string { return mannerNames[m][0] }

// InManner says how something is worked: "in the column".
func InManner(m book.Manner) string { return mannerNames[m][1] }

// Help names a level of help.
func Help(h book.Help) string { return helpNames[h] }

var wayNames = map[book.Way]string{
	book.Known: "knew it", book.Doubles: "used doubles", book.MadeTen: "made ten", book.CountedOn: "counted on",
	book.CountedUp: "counted up", book.CountedAll: "counted all", book.OnFingers: "on fingers", "": "not said how",
	book.AtOnce: "all at once", book.FiveAndSome: "five and some", book.TensThenOnes: "tens then ones", book.FromFifty: "from fifty", book.FromHundred: "from a hundred back",
	book.OneByOne: "counted one by one", book.FromTen: "counted by ones from ten",
}

// Came says how an answer came, where that bears on what it counts for.
func Came(c book.Came) string {
	if c == book.Default {
		return "marked right with the others"
	}
	return ""
}

// seenNames say how the mat saw a child at its part of a task.
var seenNames = map[string]string{
	"led": "shown on the mat step by step", "asked": "asked first on the mat", "told": "in the child’s own hands, something put right", "hands": "in the child’s own hands", "": "not shown on the mat",
}

// Seen says how the mat saw a child at its part of a task, by the id of the sight.
func Seen(sight string, turn bool) string {
	if !turn {
		return "had no turn here"
	}
	return seenNames[sight]
}

// Part says which places were a child's own: "the ones and the hundreds"; empty for the
// whole.
func (w Words) Part(part place.Set) string {
	var places []string
	for _, p := range part.Places() {
		places = append(places, "the "+w.PlaceMany(p))
	}
	return list(places)
}

// MoreFor says whose lack one more task is drawn for.
func (w Words) MoreFor(name string, stage choose.StageID, skill task.Skill) string {
	return name + " has yet to show " + w.Skill(stage, skill)
}

// Way names a way of working out.
func Way(w book.Way) string { return wayNames[w] }

var stateNames = map[ladder.State]string{
	ladder.NotYet: "not yet", ladder.Shown: "shown", ladder.UnderWay: "under way", ladder.Secure: "secure", ladder.Wobbling: "wobbling",
	ladder.CheckAgain: "check again", ladder.Ready: "ready for it", ladder.Passed: "covered by later work",
}

// State names a state of a leaf or a lobe.
func State(s ladder.State) string { return stateNames[s] }

var needNames = map[group.Need]string{
	group.Steady: "wobbling", group.Check: "check again", group.Start: "ready", group.Growing: "on course", group.Unseen: "not seen yet",
	group.Near: "nearly there", group.Before: "still ahead", group.Beyond: "already secure", group.AfterLong: "more than a week", group.Lately: "this week",
}

// Need names what the children of a group have in common.
func Need(n group.Need) string { return needNames[n] }

var orderNames = map[group.Order]string{group.ByNeed: "by need", group.ByWait: "days since last seen", group.ByNearness: "nearest stage"}

// Order names an order of the class.
func Order(o group.Order) string { return orderNames[o] }

// Sum writes a problem with spaces that do not break: "47 + 25", "62 − 38".
func (w Words) Sum(p problem.Problem) string {
	return strings.Join(w.numerals(p.Written()), "\u00a0"+problem.Sign(p.Kind)+"\u00a0")
}

// Task writes a task as it is written in a line: problems with spaces that do not
// break.
func (w Words) Task(t task.Task) string {
	if p, of := problem.From(t); of {
		return w.Sum(p)
	}
	if a, of := number.From(t); of {
		return w.number(a)
	}
	if c, of := opener.CardFrom(t); of {
		return c.Text
	}
	if _, of := opener.SpotFrom(t); of {
		return WhichSlip
	}
	if s, of := snake.From(t); of {
		return "snake " + strings.ReplaceAll(s.String(), ",", ",\u00a0")
	}
	if c, of := chain.From(t); of {
		return ChainName(c)
	}
	if r, of := numberrods.From(t); of {
		return RodsName(r)
	}
	return t.String()
}

// ShortDay says a day of this year: "12 Nov"; today and yesterday by name.
func ShortDay(d, today book.Day) string {
	switch today - d {
	case 0:
		return "today"
	case 1:
		return "yesterday"
	}
	return d.Time().Format("2 Jan")
}

// onDay is ShortDay as part of a sentence: "on 12 Nov".
func onDay(d, today book.Day) string {
	if said := ShortDay(d, today); today-d <= 1 {
		return said
	}
	return "on " + ShortDay(d, today)
}

// Times counts how often: "once", "twice", "3 times".
func times(n int) string {
	switch n {
	case 1:
		return "once"
	case 2:
		return "twice"
	}
	return fmt.Sprintf("%d times", n)
}

// days counts days: "1 day", "2 days".
func days(n int) string {
	if n == 1 {
		return "one day"
	}
	return fmt.Sprintf("%d days", n)
}

// Leaf says all of a leaf: "wobbling in the column; secure with pieces".
func Leaf(l ladder.Leaf) string {
	said := ""
	for _, state := range []ladder.State{ladder.Wobbling, ladder.CheckAgain, ladder.Secure, ladder.UnderWay, ladder.Shown} {
		var manners []string
		for _, lobe := range l.Lobes {
			if lobe.State == state {
				manners = append(manners, InManner(lobe.Manner))
			}
		}
		if len(manners) == 0 {
			continue
		}
		if said != "" {
			said += "; "
		}
		said += State(state) + " " + list(manners)
	}
	if said == "" {
		said = State(l.State)
	}
	if l.Explained {
		said += "; has explained it to another"
	}
	return said
}

// Children counts children: "one child", "4 children".
func Children(n int) string {
	if n == 1 {
		return "one child"
	}
	return fmt.Sprintf("%d children", n)
}

// Plan says what planning a lesson at a stage does.
func (w Words) Plan(id choose.StageID, draws bool, children int) string {
	switch {
	case !draws:
		return "There is no lesson for the mat for this stage yet."
	case children == 0:
		return "Nobody is at this stage. Touch the names of the children who come."
	}
	return fmt.Sprintf("%s, with numbers for %s.", capital(Children(children)), w.Stage(id))
}

// Stands sums up a child: "Wobbling in two stages, one to check again. Last seen
// yesterday."
func (w Words) Stands(c ladder.Child, today book.Day) string {
	counts := map[ladder.State]int{}
	for _, strand := range ladder.Strands() {
		for _, leaf := range c.Vine(strand, today) {
			counts[leaf.State]++
		}
	}
	last, seen := c.LastSeen()
	if !seen {
		return "Nothing is recorded yet."
	}
	var parts []string
	for _, c := range []struct {
		state ladder.State
		words string
	}{{ladder.Wobbling, "wobbling in %s"}, {ladder.CheckAgain, "to be checked again in %s"}, {ladder.UnderWay, "under way in %s"}, {ladder.Ready, "ready for %s"}} {
		if n := counts[c.state]; n > 0 {
			parts = append(parts, fmt.Sprintf(c.words, stagesCounted(n)))
		}
	}
	said := capital(list(parts))
	if said == "" {
		said = "Everything begun so far is secure"
	}
	return fmt.Sprintf("%s. Last seen %s.", said, onDay(last, today))
}

func stagesCounted(n int) string {
	if n == 1 {
		return "one stage"
	}
	return place.Number(n).Words(false) + " stages"
}

// worked says what was done with a column, by the kind of problem.
var worked = map[task.Kind]func(Words, problem.Problem, place.Column) string{
	problem.Sum:        func(w Words, _ problem.Problem, c place.Column) string { return w.Counted(c) },
	problem.Trays:      func(w Words, _ problem.Problem, c place.Column) string { return w.Counted(c) },
	problem.Difference: func(w Words, _ problem.Problem, c place.Column) string { return w.TakenFrom(c) },
	problem.Sharing:    func(_ Words, p problem.Problem, c place.Column) string { return SharedOut(c, int(p.Numbers[1])) },
}

// Worked says what was done with a column of a problem.
func (w Words) Worked(p problem.Problem, c place.Column) string {
	if said := worked[p.Kind]; said != nil {
		return said(w, p, c)
	}
	return ""
}

// Counted says what was done with a column: "15 counted, ten swapped".
func (w Words) Counted(c place.Column) string {
	if !c.Swaps {
		return fmt.Sprintf("%d counted", c.Count)
	}
	return fmt.Sprintf("%d counted, %s: %s", c.Count, w.ofColumn(c.Out), stay(c.Stays))
}

// TakenFrom says what was done with a column of a difference: "12 there after one
// swap, 8 taken: 4 stay".
func (w Words) TakenFrom(c place.Column) string {
	there := fmt.Sprintf("%d there", c.Count)
	if c.Swaps {
		there += " after " + w.down().Swaps(1)
	}
	return fmt.Sprintf("%s, %d taken away: %s", there, c.Lower(), stay(c.Stays))
}

// SharedOut says what was done with a column of sharing: "9 among four: 2 each, 1
// left over".
func SharedOut(c place.Column, sharers int) string {
	return fmt.Sprintf("%d among %s: %d each, %d left over", c.Count, place.Number(sharers).Words(false), c.Stays, c.Out)
}

// ofColumn counts the swaps of one column; a class that carries says "a carry of two".
func (w Words) ofColumn(n int) string {
	if w.Swap == Carry && n > 1 {
		return "a carry of " + counted(n)
	}
	return w.Swaps(n)
}

// SwapsOf counts the swaps of a worked problem: "two swaps". A class that carries
// counts a column once: "a carry of two".
func (w Words) SwapsOf(t swap.Trace) string {
	w = w.For(t.Problem.Kind)
	var carries []string
	several := false
	for _, c := range t.Columns {
		if w.Swap == Carry && c.Out > 0 {
			carries = append(carries, map[bool]string{true: w.ofColumn(c.Out), false: w.ASwap()}[c.Out > 1])
			several = several || c.Out > 1
		}
	}
	if several {
		return list(carries)
	}
	return w.Swaps(len(t.Swaps))
}

// stay says how many stay in a place: "1 stays", "4 stay".
func stay(n int) string {
	switch n {
	case 0:
		return "nothing stays"
	case 1:
		return "1 stays"
	}
	return fmt.Sprintf("%d stay", n)
}

// Judged says what an adult judged: "no swap in the column is secure".
func (w Words) Judged(stage choose.StageID, manner book.Manner, state ladder.State) string {
	return fmt.Sprintf("%s: %s", w.StageInManner(stage, manner), State(state))
}

// Meeting says why a lesson suggests itself: "Two are ready for it and one wobbles."
func Meeting(m group.Meeting) string {
	counts := map[ladder.StepKind]int{}
	for _, s := range m.Seats {
		counts[s.Step.Kind]++
	}
	var parts []string
	for _, c := range []struct {
		kind      ladder.StepKind
		one, many string
	}{
		{ladder.Begin, "is ready for it", "are ready for it"}, {ladder.GoBack, "wobbles", "wobble"}, {ladder.LookAgain, "is to be checked", "are to be checked"},
		{ladder.Leave, "could leave the pieces", "could leave the pieces"}, {ladder.Return, "goes back to pieces and column", "go back to pieces and column"},
		{ladder.GoOn, "is under way", "are under way"}, {ladder.LetBe, "repeats it by choice", "repeat it by choice"}, {ladder.KeepUp, "has all else secure", "have all else secure"},
	} {
		switch n := counts[c.kind]; {
		case n == 1:
			parts = append(parts, "one "+c.one)
		case n > 1:
			parts = append(parts, place.Number(n).Words(false)+" "+c.many)
		}
	}
	return capital(list(parts)) + "."
}

// whyNames say why a lesson was put off.
var whyNames = map[group.Why]string{group.NoTime: "no time", group.NoPieces: "something was missing", group.NotForNow: "not the day for it"}

// Why says why a lesson was put off.
func Why(w group.Why) string { return whyNames[w] }

// PutOff says when a lesson was put off, and why.
func PutOff(day book.Day, why group.Why, today book.Day) string {
	return "Put off " + onDay(day, today) + ": " + Why(why)
}

// NotDone says of a lesson that was gathered or begun on an earlier day that it is still to
// be done; empty for one of today.
func NotDone(day, today book.Day, begun bool) string {
	switch {
	case day >= today:
		return ""
	case begun:
		return "begun " + onDay(day, today) + ", not finished"
	}
	return "planned " + onDay(day, today) + ", not done"
}

// Waited says how many school days ago a child had its last lesson.
func Waited(days int, never bool) string {
	switch {
	case never:
		return "No lesson yet."
	case days == 0:
		return "Seen today."
	case days == 1:
		return "Seen one school day ago."
	}
	return fmt.Sprintf("Seen %s school days ago.", place.Number(days).Words(false))
}
