package say

import (
	"fmt"
	"strings"

	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/slip"
	"vineswap/core/task"
)

// sheetNames name the kinds of sheet.
var sheetNames = map[string]string{
	"column": "column with boxes", "lying": "sums in a line", "ring-tens": "ring the tens", "drawn-tens": "drawn tens", "tens-ones": "tens and ones", "frames": "ten frames", "teens": "colour ten and the ones",
	"match": "match", "ring-picture": "ring the picture", "minute": "one minute", "cards": "cards to cut", "record": "record sheet", "gather": "gather list", "strip": "strip to take home",
}

// Sheet names a kind of sheet.
func Sheet(kind string) string { return sheetNames[kind] }

// minuteNames name the facts of a minute.
var minuteNames = map[string]string{"bonds": "what makes ten", "doubles": "doubles", "up-to-ten": "sums up to ten", "over-ten": "sums over ten", "take-facts": "taking away, up to 18"}

// MinuteFacts names the facts of a minute.
func MinuteFacts(facts string) string { return minuteNames[facts] }

// SheetAsks is what a sheet asks the child to do: the words above its tasks.
func (w Words) SheetAsks(kind string, sums, differences, inFront, boxes bool) string {
	switch kind {
	case "column":
		return w.columnAsks(sums, differences, inFront, boxes)
	case "lying":
		return "Work each one. Write what it comes to."
	case "ring-tens":
		return "Mark each one. Ring ten, and ten again. How many?"
	case "drawn-tens":
		return "A line is ten, a dot is one. What is drawn?"
	case "tens-ones":
		return fmt.Sprintf("How many %s, how many %s?", w.PlaceMany(place.Tens), w.PlaceMany(place.Ones))
	case "frames":
		return "How many dots? Or draw so many."
	case "teens":
		return fmt.Sprintf("Colour ten in one colour, the %s in another.", w.PlaceMany(place.Ones))
	case "match":
		return "Draw a line from each picture to its number."
	case "ring-picture":
		return "Ring the picture that shows the number."
	case "minute":
		return "As many as you can in one minute. Then stop."
	}
	return ""
}

func (w Words) columnAsks(sums, differences, inFront, boxes bool) string {
	ones := w.PlaceMany(place.Ones)
	switch {
	case sums && differences:
		return fmt.Sprintf("Look at the sign. Begin with the %s.", ones)
	case differences && !boxes:
		return fmt.Sprintf("Take away. Begin with the %s: are there enough?", ones)
	case differences && inFront:
		return fmt.Sprintf("Take away. Begin with the %s. The small 1 goes into the box.", ones)
	case differences:
		return fmt.Sprintf("Take away. Begin with the %s. Write what is there now into the box.", ones)
	case !boxes:
		return fmt.Sprintf("Add. Begin with the %s.", ones)
	}
	return fmt.Sprintf("Add. Begin with the %s. What comes up goes into the small box.", ones)
}

// Words on a sheet.
const (
	SheetDate      = "date"
	SheetMinutes   = "minutes"
	SheetName      = "Name"
	SheetDraw      = "Now you draw it."
	SheetRoom      = "draw it"
	SheetHardest   = "The hardest was"
	SheetBecause   = "because"
	SheetAttempted = "tried"
	SheetRight     = "right"
	SheetAnswer    = "answer"
)

// SheetNoSwap asks which of the tasks had no swap.
func (w Words) SheetNoSwap() string {
	return fmt.Sprintf("Which one had no %s? Put a ring round its number.", w.forms().noun)
}

// SheetKey heads the key of a sheet.
func (w Words) SheetKey(toCut bool) string {
	head := "Key, for the " + w.TheAdult()
	if toCut {
		return head + ": cut off first"
	}
	return head
}

// SheetCode says what the code of a sheet is for.
func SheetCode(code string) string { return fmt.Sprintf("sheet %s, to type the answers back", code) }

// KeySlip says what the answers of a column of the key show.
func KeySlip(own string, id slip.ID) string {
	if own != "" {
		return own
	}
	return Slip(id)
}

// Lie is a task written in a line, what is asked left open: "47 + 25 =".
func (w Words) Lie(p problem.Problem) string {
	texts := make([]string, len(p.Numbers))
	for i, n := range p.Numbers {
		texts[i] = w.Numeral(n)
	}
	if p.Kind == problem.Trays {
		texts[0], texts[1] = texts[1], texts[0]
	}
	return strings.Join(texts, " "+problem.Sign(p.Kind)+" ") + " ="
}

// StripTitle heads a strip to take home.
func (w Words) StripTitle(t task.Task) string { return "How we work " + w.TaskShort(t) }

// Words of a strip to take home.
const (
	StripStop  = "Stop here and try: what comes next, and what is it in the end?"
	StripJoin  = "Push everything together."
	StripYours = "Now you."
	StripAsk   = "For the grown-up: ask, and let the child do it"
)

// StripLaid is said to the first picture of a strip.
func (w Words) StripLaid(p problem.Problem) string {
	switch p.Kind {
	case problem.Sum:
		texts := make([]string, len(p.Numbers))
		for i, n := range p.Numbers {
			texts[i] = w.Numeral(n)
		}
		return fmt.Sprintf("Lay %s.", Listed(texts))
	case problem.Difference:
		return fmt.Sprintf("Lay %s. %s are to go.", w.Numeral(p.Numbers[0]), w.Numeral(p.Numbers[1]))
	case problem.Trays:
		return fmt.Sprintf("Lay %s on each of %s trays.", w.Numeral(p.Numbers[0]), w.Number(p.Numbers[1]))
	}
	return fmt.Sprintf("Lay %s.", w.Numeral(p.Numbers[0]))
}

// StripQuestions are what a grown-up asks while the child works.
func (w Words) StripQuestions(k task.Kind, swaps bool) []string {
	one, ten := w.PlaceMany(place.Ones), w.PlaceOne(place.Tens)
	switch {
	case k == problem.Difference && swaps:
		return []string{fmt.Sprintf("Are there enough %s to take away?", one), fmt.Sprintf("What do we get for one %s?", ten), "What is left?"}
	case k == problem.Difference:
		return []string{fmt.Sprintf("Are there enough %s to take away?", one), "What is left?"}
	case swaps:
		return []string{fmt.Sprintf("How many %s? When do you stop?", one), fmt.Sprintf("Ten %s %s what?", one, w.forms().they)}
	}
	return []string{fmt.Sprintf("How many %s?", one), fmt.Sprintf("How many %s?", w.PlaceMany(place.Tens))}
}

// StripNoMaterial says how to work without the material of the school.
func (w Words) StripNoMaterial() string {
	return fmt.Sprintf("Nothing at home to count with? A line is ten, a dot is one. In our room we say “%s”.", w.forms().verb)
}

// Words of a record sheet.
const (
	RecordChild = "child"
	RecordHelp  = "help"
	RecordNote  = "to remember"
)

// Words of a gather list on paper.
const (
	SheetGather  = "Gather, and count back"
	SheetFetched = "fetched"
	SheetBack    = "back"
)

// TraysToFetch counts trays: "3 trays".
func TraysToFetch(n int) string {
	if n == 1 {
		return "1 tray"
	}
	return fmt.Sprint(n, " trays")
}

// CardsToFetch counts sets of cards: "2 sets of small cards, the large cards".
func CardsToFetch(small int, large bool) string {
	var list []string
	switch small {
	case 0:
	case 1:
		list = append(list, "1 set of small cards")
	default:
		list = append(list, fmt.Sprint(small, " sets of small cards"))
	}
	if large {
		list = append(list, "the large cards")
	}
	return strings.Join(list, ", ")
}

var keyPlaces = map[string]string{"foot": "at the foot", "page": "a page", "none": "none"}

// KeyPlace names where the key of a sheet stands.
func KeyPlace(key string) string { return keyPlaces[key] }

var paperNames = map[string]string{"a4": "A4", "letter": "letter"}

// Paper names a size of paper.
func Paper(p string) string { return paperNames[p] }

// TasksOnIt counts the tasks of a sheet: "9 tasks".
func TasksOnIt(n int) string {
	if n == 1 {
		return "1 task"
	}
	return fmt.Sprint(n, " tasks")
}

// NoneHad says what is left out of a child's sheet.
func NoneHad(name string, days int) string {
	return fmt.Sprintf("None that %s had in the last %d days.", name, days)
}

// BringsOut says which slip the numbers of a sheet bring out.
func BringsOut(slips [][]slip.ID) string {
	return "Its numbers bring out: " + Slips(slips[0]) + "."
}

// TypedOf says of how many children the answers are typed.
func TypedOf(typed, of int) string { return fmt.Sprintf("%d of %d typed", typed, of) }

// TurnedDigit is the note of an answer in which a digit stood back to front.
const TurnedDigit = "A digit was written back to front."

// Import says what a file of answers came to.
func Import(good, bad int, kept bool) string {
	lines := func(n int) string {
		if n == 1 {
			return "1 line"
		}
		return fmt.Sprint(n, " lines")
	}
	switch {
	case kept && bad == 0:
		return lines(good) + " kept."
	case kept:
		return lines(good) + " kept, " + lines(bad) + " left out."
	case bad == 0:
		return "All " + lines(good) + " can be kept."
	case good == 0:
		return "No line can be kept."
	}
	return lines(good) + " can be kept, " + lines(bad) + " cannot."
}
