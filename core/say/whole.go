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

// paceNames are what a class does in a round of slates, as on its button, and paceSays what the
// class reads then; by lesson.Pace.
var (
	paceNames = map[string]string{"look": "look", "write": "write", "show": "show", "flat": "lay flat", "explain": "one explains", "together": "count together", "wipe": "wipe"}
	paceSays  = map[string]string{"look": "Look.", "write": "Write it down.", "show": "Show it.", "flat": "Lay it flat. Do not wipe it.", "explain": "One explains.", "together": "All together.", "wipe": "Wipe."}
)

// Pace names what a class does in a round.
func Pace(p string) string { return paceNames[p] }

// PaceSays says it to the class.
func PaceSays(p string) string { return paceSays[p] }

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
