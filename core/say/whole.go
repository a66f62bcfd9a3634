package say

import (
	"fmt"

	"vineswap/core/book"
	"vineswap/core/number"
	"vineswap/core/numberrods"
	"vineswap/core/opener"
	"vineswap/core/place"
	"vineswap/core/slip"
	"vineswap/core/snake"
	"vineswap/core/task"
	"vineswap/core/turns"
)

// PaceWords are the words for something that a class does in a round.
type PaceWords struct {
	Name string // among all that is done
	Says string // to the class
	Do   string // to the guide, on the button that leads there
}

// paceWords are the words by lesson.Pace, with slates; and others where the class pushes, lays or
// draws, or looks for a slip.
var paceWords = map[string]map[string]PaceWords{
	"": {
		"look": {"look", "Look.", "Look"}, "write": {"write", "Write it down.", "All write"}, "show": {"show", "Show it.", "Slates up"}, "flat": {"lay flat", "Lay it flat. Do not wipe it.", "Lay flat, not wiped"},
		"explain": {"one explains", "One explains.", "One explains"}, "together": {"count together", "All together.", "Count together"}, "wipe": {"wipe", "Wipe.", "Wipe"},
	},
	"push": {
		"write": {"push", "Push it on your rack.", "All push"}, "show": {"show", "Hands off. Show it.", "Show the racks"}, "flat": {"hands down", "Hands down. Leave it as it is.", "Hands down, leave it"}, "wipe": {"push back", "Push all beads back.", "Push back"},
	},
	"lay": {
		"write": {"lay", "Lay it.", "All lay"}, "show": {"show", "Hands off. Show it.", "Hands off and show"}, "flat": {"hands down", "Hands down. Leave it as it is.", "Hands down, leave it"}, "wipe": {"put back", "Put it all back.", "Put back"},
	},
	"draw": {"write": {"draw", "Draw it.", "All draw"}},
	"spot": {"together": {"show the slip", "All together.", "Show the slip"}},
}

// Pace has the words for what a class does in a round of a task.
func Pace(p string, t task.Task) PaceWords {
	if own, has := paceWords[does(t)][p]; has {
		return own
	}
	return paceWords[""][p]
}

// does is what a class does with a task, as in paceWords.
func does(t task.Task) string {
	if _, of := opener.SpotFrom(t); of {
		return "spot"
	}
	a, _ := number.From(t)
	switch {
	case a.Answered == number.Push:
		return "push"
	case a.Laid():
		return "lay"
	case a.Answered == number.Draw:
		return "draw"
	}
	return ""
}

// slateNames name how a slate was, by lesson.SlateMark.
var slateNames = map[string]string{
	"default": "right with the others", "right": "read, and right", "gave": "another answer", "mirrored": "a digit turned round", "unfinished": "not done", "blank": "nothing written", "not-read": "not read", "away": "away",
}

// SlateMark names how a slate was.
func SlateMark(m string) string { return slateNames[m] }

// Turn says why a child could explain now.
func Turn(p turns.Proposal) string {
	switch p.Why {
	case turns.HasTheTurn:
		return "has explained today"
	case turns.WasPassed:
		return "passed by today"
	case turns.Never:
		return "has not explained yet"
	case turns.NotRead:
		if p.UnreadToday > 0 {
			return "slate not read today"
		}
		return "slate not read this week"
	case turns.Waited:
		return fmt.Sprintf("not for %d school days", p.Waits)
	}
	switch {
	case p.ThisWeek == 0:
		return "not this week"
	case p.ThisWeek == 1:
		return "once this week"
	}
	return fmt.Sprintf("%d times this week", p.ThisWeek)
}

// TurnsToday says how many have not explained today, and this week.
func TurnsToday(today, week int) string {
	switch {
	case today == 0:
		return "All have explained today."
	case week == 0:
		return fmt.Sprintf("%s not explained today; all have this week.", have(today))
	}
	return fmt.Sprintf("%s not explained today, %d of them not this week.", have(today), week)
}

// have is how many have: "one child has", "8 children have".
func have(n int) string {
	if n == 1 {
		return "One child has"
	}
	return fmt.Sprint(n, " children have")
}

var openerNames = map[opener.Kind]string{
	opener.OfFlashes: "flashes", opener.Fingers: "finger numbers", opener.ShowMe: "show me", opener.CountBy: "count by tens and on", opener.Riddles: "riddles", opener.HowMany: "how many tens", opener.InParts: "in tens and ones",
	opener.InHead: "in the head", opener.SpotSlip: "spot the slip", opener.OwnCard: "a card of your own",
}

// Opener names a kind of opener.
func Opener(k opener.Kind) string { return openerNames[k] }

// OpenerSays tells the parameters of an opener in a line.
func (w Words) OpenerSays(o opener.Opener) string {
	switch o.Kind {
	case opener.OwnCard:
		return o.Text
	case opener.OfFlashes:
		return fmt.Sprintf("%d, %s, up to %d, %s", o.Count, Shown(o.Shown), o.UpTo, FlashSays(o.Flash))
	case opener.Fingers:
		return fmt.Sprintf("%d, %s", o.Count, FlashSays(o.Flash))
	case opener.InHead:
		return fmt.Sprintf("%d, %s", o.Count, w.Stage(o.Stage))
	case opener.SpotSlip:
		return fmt.Sprintf("%s, %s", times(o.Count), w.Stage(o.Stage))
	}
	return fmt.Sprintf("%d, up to %d", o.Count, o.UpTo)
}

// FlashSays says for how long and how often a flash is shown: "2 s, once".
func FlashSays(f opener.Flash) string {
	seconds := fmt.Sprintf("%d.%d s", f.Tenths/10, f.Tenths%10)
	if f.Tenths%10 == 0 {
		seconds = fmt.Sprint(f.Tenths/10, " s")
	}
	if f.Times == 1 {
		return seconds + ", once"
	}
	return seconds + ", twice"
}

// WhichSlip is what a class is asked where a slip may be planted.
const WhichSlip = "Which one has a slip?"

// PlantedSays says which example has a slip, and which; or that none has.
func PlantedSays(letter string, id slip.ID) string {
	if letter == "none" {
		return "None of them has a slip."
	}
	return fmt.Sprintf("In %s: %s.", letter, Slip(id))
}

// Glance says how a number is seen, and in how many looks: "from fifty, 3 looks".
func Glance(w book.Way, looks int) string { return Way(w) + ", " + Looks(looks) }

// TaskShort names a task in a word: the number, the sum, what kind of opener it is.
func (w Words) TaskShort(t task.Task) string {
	if a, of := number.From(t); of {
		return w.Numeral(a.Number)
	}
	if _, of := opener.CardFrom(t); of {
		return "card"
	}
	if _, of := opener.SpotFrom(t); of {
		return "slip?"
	}
	if _, of := snake.From(t); of {
		return "snake"
	}
	if _, of := numberrods.From(t); of {
		return "rods"
	}
	return w.Task(t)
}

// Progress says which of the tasks of a lesson is in hand, from 0: "third of five".
func Progress(nth, tasks int) string {
	return Ordinal(nth+1) + " of " + place.Number(tasks).Words(false)
}

// RightOf says how many of the slates that were read are right.
func RightOf(right, all int) string {
	if all == 0 {
		return "none read"
	}
	return fmt.Sprintf("%d of %d right", right, all)
}

// WholeClass is who comes to a lesson for all.
const WholeClass = "the whole class"
