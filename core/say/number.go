package say

import (
	"fmt"
	"strings"

	"vineswap/core/chain"
	"vineswap/core/number"
	"vineswap/core/piece"
	"vineswap/core/place"
	"vineswap/core/trace"
)

// crowdThings are what is counted, from our own orchard: one, several.
var crowdThings = [][2]string{{"apple", "apples"}, {"pear", "pears"}, {"bee", "bees"}, {"flower pot", "flower pots"}, {"bean", "beans"}, {"leaf", "leaves"}}

// ThingOf says which things are counted in a task with one number: its index, the same for
// the picture, and what one and several of them are called.
func ThingOf(a number.Asked) (nth int, one, many string) {
	nth = (int(a.Number) + int(a.Seed)) % len(crowdThings)
	return nth, crowdThings[nth][0], crowdThings[nth][1]
}

// things counts what is counted: "no apples", "one apple", "seven apples".
func (w Words) things(a number.Asked, n int) string {
	_, one, many := ThingOf(a)
	switch n {
	case 0:
		return "no " + many
	case 1:
		return "one " + one
	}
	return w.Number(place.Number(n)) + " " + many
}

// Units says tens and ones by their kind: "four tens seven ones".
func (w Words) Units(tens, ones int) string {
	return w.Count(tens, place.Tens) + " " + w.Count(ones, place.Ones)
}

// UnitsOf says a number by its kinds: "three hundreds four tens two ones".
func (w Words) UnitsOf(n place.Number) string {
	return strings.Join(w.kinds(n), " ")
}

// kinds are what there is of each place, the highest first; of an empty place none.
func (w Words) kinds(n place.Number) []string {
	if n < 100 {
		return []string{w.Count(int(n)/10, place.Tens), w.Count(int(n)%10, place.Ones)}
	}
	var list []string
	for p := n.Top(); p >= place.Ones; p-- {
		if d := n.Digit(p); d > 0 {
			list = append(list, w.Count(d, p))
		}
	}
	return list
}

// Given is a number as it is shown in words or figures; empty where it is shown as a
// picture or with pieces.
func (w Words) Given(a number.Asked) string {
	if a.Answered == number.Match { // the pictures are given
		return ""
	}
	if len(a.Numbers()) > 1 {
		return w.givenSeveral(a)
	}
	switch a.Shown {
	case number.Numeral:
		return w.Numeral(a.Number)
	case number.Word, number.Said:
		return w.Number(a.Number)
	case number.Expanded:
		return strings.Join(w.numerals(a.Number.Expanded()), " + ")
	case number.Units:
		return w.UnitsOf(a.Number)
	case number.Renamed:
		return w.pilesOf(a.Holding())
	case number.Riddle:
		return w.Count(a.Tens()-1, place.Tens) + " and " + w.Count(a.Ones()+10, place.Ones)
	}
	return ""
}

var shownNames = map[number.Shown]string{
	number.Things: "things", number.Sticks: "sticks", number.Frames: "frame", number.Covered: "covered ten", number.Handful: "handful", number.Pieces: "pieces",
	number.Crowd: "crowd", number.Rows: "rows", number.Drawn: "drawing", number.Word: "word", number.Said: "heard", number.Numeral: "numeral",
	number.Cards: "cards", number.Kinds: "the kinds", number.TenOf: "ten of them", number.Expanded: "40 + 7", number.Units: "tens, ones", number.Riddle: "riddle",
	number.Renamed: "renamed", number.Unswapped: "renamed, in pieces",
	number.Rack10: "rack of 10", number.Rack20: "rack of 20", number.Rack100: "rack of 100", number.Fingers: "fingers", number.Bundles: "sticks in tens",
}

// Shown names a way of showing a number, as on its button.
func Shown(s number.Shown) string { return shownNames[s] }

var answeredNames = map[number.Answered]string{
	number.Say: "say", number.Write: "write", number.Lay: "lay", number.Fill: "fill", number.CountOn: "count on", number.Ring: "ring", number.Draw: "draw",
	number.Match: "match", number.HowMany: "how many tens", number.ToTen: "what makes ten", number.InParts: "40 + 7", number.InUnits: "tens, ones", number.Pick: "pick", number.WithCards: "lay cards", number.Hundreds: "how many hundreds", number.CountBack: "the last box",
	number.Rename: "rename", number.Sign: "which is more", number.Decides: "which place decides", number.Order: "put in order", number.Join: "add the parts", number.Push: "on the rack",
}

// Answered names a way of answering a number, as on its button.
func Answered(a number.Answered) string { return answeredNames[a] }

// number says a task with one number in a line: "17, word to figures".
func (w Words) number(a number.Asked) string {
	if a.Shown == number.Sticks {
		return "45 sticks, 0 to 9"
	}
	which, shown := w.Numeral(a.Number), ", "+Shown(a.Shown)
	switch renamed := " as " + w.inFigures(a.Holding()); {
	case len(a.Numbers()) > 1:
		which = strings.Join(w.numerals(a.Numbers()), ", ")
		if a.Shown == number.Numeral {
			shown = ""
		}
	case a.Answered == number.Rename && a.Shown == number.Numeral:
		return which + renamed
	case a.Shown == number.Renamed:
		which, shown = which+renamed, ""
	case a.Shown == number.Unswapped:
		which, shown = which+renamed, ", in pieces"
	case a.Answered == number.Rename:
		which += renamed
	}
	return fmt.Sprintf("%s%s: %s", which, shown, Answered(a.Answered))
}

// instead says a wrong answer to a number: "71 instead of 17 (word: write)".
func (w Words) instead(a number.Asked, answer string) string {
	return fmt.Sprintf("%s instead of %s (%s: %s)", answer, a.Task().Result(), Shown(a.Shown), Answered(a.Answered))
}

// Question asks what is to be done with a number.
func (w Words) Question(a number.Asked) string {
	_, _, many := ThingOf(a)
	switch a.Answered {
	case number.CountBack:
		return "How many sticks are there in the last box?"
	case number.HowMany:
		if a.Number >= 100 {
			return "How many tens are there in all?"
		}
		return "How many tens are there?"
	case number.Hundreds:
		return "How many hundreds are there in all?"
	case number.Rename:
		return capital(w.blank(a)) + "?"
	case number.Sign:
		return "Which is more?"
	case number.Decides:
		return "Which place decides which is more?"
	case number.Order:
		return "Put them in order, the smallest first."
	case number.Join:
		return "Add them in their parts."
	case number.ToTen:
		return "What is missing to ten?"
	case number.InParts:
		return "Which parts make the number?"
	case number.InUnits:
		if a.Number >= 100 {
			return "How many are there of each kind?"
		}
		return "How many tens, how many ones?"
	case number.WithCards:
		return "Lay its cards."
	case number.Pick:
		return "Which picture shows it?"
	case number.Match:
		return "Which numeral belongs to which picture?"
	case number.Lay:
		if a.Number >= 100 {
			return "Lay it with pieces, then with cards."
		}
		return "Lay it."
	case number.Fill:
		return "Fill the frames."
	case number.Push:
		return "Show it on the rack."
	case number.Draw:
		switch {
		case a.Number >= 1000:
			return "Draw it: a cube for each thousand, a square for each hundred, a line for each ten, a dot for each one."
		case a.Number >= 100:
			return "Draw it: a square for each hundred, a line for each ten, a dot for each one."
		}
		return "Draw it: a line for each ten, a dot for each one."
	case number.CountOn:
		return "Count on from ten."
	case number.Write:
		return "Write it in figures."
	}
	if shown := w.Given(a); shown != "" {
		return "Say it."
	}
	switch a.Shown {
	case number.Pieces, number.Drawn, number.Unswapped, number.Rack10, number.Rack20, number.Rack100, number.Bundles:
		return "How much is it?"
	case number.Fingers:
		return "How many fingers are there?"
	case number.Cards:
		return "Which number do the cards make?"
	case number.Kinds:
		return "What is the largest one called?"
	case number.TenOf:
		return "What do ten of them make?"
	}
	return "How many " + many + " are there?"
}

// WordPart is a stretch of a number word and the part of the number that it names.
type WordPart struct {
	Text    string
	Place   place.Place
	Changed bool // thir for three, fif for five, twen for two
	Own     bool // eleven and twelve: no part can be heard
}

// Cord is how a word and its figures go together.
type Cord string

// Both in the same order, the ones said first, the same with a changed part, and a name
// of its own.
const (
	Straight Cord = "straight"
	Crossed  Cord = "crossed"
	Looped   Cord = "looped"
	Bound    Cord = "bound"
)

// changedParts are those that do not sound like their digit.
var changedParts = []string{"thir", "fif", "twen"}

// Parts takes a number word apart, 0 to 100, as the class says it.
func (w Words) Parts(n place.Number) ([]WordPart, Cord) {
	word := w.Number(n)
	changed := func(text string) bool {
		for _, c := range changedParts {
			if text == c {
				return true
			}
		}
		return false
	}
	switch {
	case n > 100:
		return w.largeParts(n), Straight
	case n <= 10 || n == 100:
		p := place.Ones
		if n >= 10 {
			p = place.Tens
		}
		return []WordPart{{Text: word, Place: p}}, Straight
	case w.Teens == TenAnd && n < 20:
		ten, ones, _ := strings.Cut(word, "-")
		return []WordPart{{Text: ten + "-", Place: place.Tens}, {Text: ones, Place: place.Ones}}, Straight
	case n < 13:
		return []WordPart{{Text: word, Own: true}}, Bound
	case n < 20:
		ones := strings.TrimSuffix(word, "teen")
		cord := Crossed
		if changed(ones) {
			cord = Looped
		}
		return []WordPart{{Text: ones, Place: place.Ones, Changed: changed(ones)}, {Text: "teen", Place: place.Tens}}, cord
	}
	tens, ones, _ := strings.Cut(word, "-")
	if w.Teens == TenAnd {
		at := strings.Index(word, "s ") + 1
		tens, ones = word, ""
		if at > 0 {
			tens, ones = word[:at], word[at:]
		}
		parts := []WordPart{{Text: tens, Place: place.Tens}}
		if ones != "" {
			parts = append(parts, WordPart{Text: ones, Place: place.Ones})
		}
		return parts, Straight
	}
	stem := strings.TrimSuffix(tens, "ty")
	parts := []WordPart{{Text: stem, Place: place.Tens, Changed: changed(stem)}, {Text: "ty", Place: place.Tens}}
	cord := Straight
	if parts[0].Changed {
		cord = Looped
	}
	if ones != "" {
		parts = append(parts, WordPart{Text: "-" + ones, Place: place.Ones})
	}
	return parts, cord
}

// largeParts takes the word of a number above 100 apart: its thousands, its hundreds, and
// the rest as it is taken apart alone.
func (w Words) largeParts(n place.Number) []WordPart {
	var parts []WordPart
	rest := w.Number(n)
	for _, p := range []place.Place{place.Thousands, place.Hundreds} {
		name := map[place.Place]string{place.Thousands: "thousand", place.Hundreds: "hundred"}[p]
		if at := strings.LastIndex(rest, name); at >= 0 {
			end := at + len(name)
			parts = append(parts, WordPart{Text: rest[:end], Place: p})
			rest = rest[end:]
		}
	}
	below := n % 100
	if below == 0 {
		return parts
	}
	between, _ := strings.CutSuffix(rest, w.Number(below)) // a space, or "and"
	last, _ := w.Parts(below)
	parts[len(parts)-1].Text += between
	return append(parts, last...)
}

// numberTold are the lines and questions of a number that is asked alone.
func numberTold(w Words, t trace.Trace) []told {
	work, _ := number.Worked(t)
	l := numberTable{w, work, int(work.Asked.Number)}
	lines := make([]told, len(t.Steps))
	for i, s := range t.Steps {
		lines[i] = l.line(s)
	}
	return lines
}

// numberTable is the table of sentences of one number.
type numberTable struct {
	Words
	number.Work
	n int
}

func (l numberTable) line(s trace.Step) told {
	switch s.Kind {
	case number.Ask:
		return told{l.begin(), []Span{plain("%s%s", l.shown(), l.Question(l.Asked))}, ""}
	case number.Guess:
		return told{"Estimate", []Span{plain("About how many are there? Say it, write it down, lock it.")}, ""}
	case number.One:
		return l.one(s)
	case number.Nothing:
		return told{"Look", []Span{plain("Nothing lies here. That is "), l.tell("zero", place.Ones), plain(".")}, "How many are there?"}
	case number.Sort:
		return told{"Lay " + l.sticks(s.Count), []Span{l.tell(capital(l.sticks(s.Count)), place.Ones), plain(" in the %s.", l.Number(place.Number(s.Count)))}, "How many belong here?"}
	case number.Empty:
		return told{"Look at the 0", []Span{plain("Nothing lies in the box of 0. "), l.tell("Zero", place.Ones), plain(" is nothing.")}, "What belongs in the box of 0?"}
	case number.SeeRow, number.PushRow, number.SeeHands:
		return l.racked(s)
	case number.Missing:
		return l.missing(s)
	case number.Put, number.Full:
		return l.frame(s)
	case number.Hide:
		return told{"Cover the full " + plural("frame", s.Ten), []Span{l.tell(capital(l.Number(place.Number(s.Count))), place.Tens), plain(". It is not counted again.")}, "How many are under it?"}
	case number.On:
		return l.on(s)
	case number.Gather, number.Over, number.Redraw:
		return l.ringed(s)
	case number.Tens, number.Ones:
		return l.laid(s)
	case number.Each, number.Label, number.Slide:
		return l.placed(s)
	case number.SwapUp, number.SwapDown:
		if l.Asked.Shown != number.TenOf {
			return l.renamed(s)
		}
		return l.kind(s)
	case number.Compare, number.InOrder:
		return l.compares(s)
	case number.Together, number.CarryUp:
		return l.joins(s)
	case number.OfKind:
		return l.kind(s)
	case number.Parts:
		return l.parts()
	case number.WriteTens, number.WriteOnes:
		return l.writes(s)
	case number.Laid:
		n := place.Number(s.Count)
		return told{"Lay the next one", []Span{l.tell(l.Numeral(n), place.Tens), plain(" belongs to picture %d: %s.", s.Ten, l.Units(s.Count/10, s.Count%10))}, "Which numeral belongs here?"}
	case number.Found:
		return told{"Show the right picture", []Span{plain("This one shows "), l.tell(l.Number(l.Asked.Number), place.Tens), plain(": %s.", l.Units(l.Asked.Tens(), l.Asked.Ones()))}, "Which picture is it?"}
	}
	return l.answer()
}

// tell is a stretch that is to be seen, in the hue of its place.
func (w Words) tell(text string, p place.Place) Span {
	return Span{Text: text, Strong: true, Place: p}
}

func plural(noun string, n int) string {
	if n == 1 {
		return noun
	}
	return noun + "s"
}

func (l numberTable) sticks(n int) string {
	if n == 1 {
		return "one stick"
	}
	return l.Number(place.Number(n)) + " sticks"
}

func (l numberTable) begin() string {
	switch l.Asked.Shown {
	case number.Word, number.Said, number.Numeral, number.Expanded, number.Units, number.Riddle, number.Renamed:
		return "Show it"
	}
	return "Lay out"
}

// shown says what is seen when the question is asked.
func (l numberTable) shown() string {
	if len(l.Asked.Numbers()) > 1 {
		if given := l.Given(l.Asked); given != "" {
			return "Look at " + strings.NewReplacer(") + (", " and ", "(", "", ")", "").Replace(given) + ". "
		}
		return ""
	}
	switch l.Asked.Shown {
	case number.Things:
		if l.n == 0 {
			return "Look at the mat. "
		}
		return "Each is counted once. "
	case number.Sticks:
		return "Forty-five sticks, and boxes from 0 to 9. "
	case number.Handful:
		return "A handful. "
	case number.Said:
		return "Listen: " + l.Given(l.Asked) + ". "
	case number.Word, number.Numeral, number.Expanded, number.Units, number.Riddle, number.Renamed:
		if given := l.Given(l.Asked); given != "" {
			return capital(given) + ". "
		}
	}
	return ""
}

func (l numberTable) one(s trace.Step) told {
	do := "Count one"
	if s.Count > 1 {
		do = "Count one more"
	}
	says := []Span{l.tell(capital(l.Number(place.Number(s.Count))), place.Ones), plain(".")}
	if s.Count == l.n {
		says = append(says, plain(" There are %s in all.", l.Number(place.Number(l.n))))
	}
	return told{do, says, "Which number comes now?"}
}

// frame is what is put into a frame or seen there.
func (l numberTable) frame(s trace.Step) told {
	n := place.Number(s.Count)
	switch {
	case s.Kind == number.Full && s.Ten == 1:
		return told{"Look: a full frame", []Span{l.tell("Ten", place.Tens), plain(": the frame is full.")}, "How many are in a full frame?"}
	case s.Kind == number.Full:
		return told{"Look: a full frame", []Span{l.tell(capital(l.Number(n)), place.Tens), plain(": %s full frames.", l.Number(place.Number(s.Ten)))}, "How many are that?"}
	}
	in := s.Count - 10*(s.Ten-1)
	do := fmt.Sprintf("Look at frame %d", s.Ten)
	if len(s.Moves) > 0 {
		do = "Put in " + l.Number(place.Number(s.Moves[0].Count))
	}
	says := []Span{plain("%s: ", capital(l.seen(in))), l.tell(l.Number(n), place.Ones), plain(".")}
	if s.Ten > 1 {
		says = []Span{plain("%s and %s: ", capital(l.Number(place.Number(10*(s.Ten-1)))), l.Number(place.Number(in))), l.tell(l.Number(n), place.Ones), plain(".")}
	} else if in <= 5 && l.Filled != trace.ByPairs {
		row := "."
		if in == 5 {
			row = ": a full row."
		}
		says = []Span{l.tell(capital(l.Number(n)), place.Ones), plain("%s", row)}
	}
	return told{do, says, "How many are there now?"}
}

// seen says how some in a frame are seen: five and some, or pairs.
func (l numberTable) seen(in int) string {
	if l.Filled == trace.ByPairs {
		pairs := l.Number(place.Number(in/2)) + plural(" pair", in/2)
		if in < 2 {
			return "one"
		}
		if in%2 == 1 {
			pairs += " and one"
		}
		return pairs
	}
	if in > 5 {
		return "five and " + l.Number(place.Number(in-5))
	}
	return l.Number(place.Number(in))
}

func (l numberTable) on(s trace.Step) told {
	says := []Span{l.tell(capital(l.Number(place.Number(s.Count))), place.Ones), plain(".")}
	if s.Count == l.n {
		says = append(says, plain(" %s and %s.", capital(l.Number(place.Number((s.Ten-1)*10))), l.Number(place.Number(s.Count-(s.Ten-1)*10))))
	}
	return told{"Count one on", says, "Which number comes now?"}
}

// ringed is what is done with a crowd.
func (l numberTable) ringed(s trace.Step) told {
	switch s.Kind {
	case number.Redraw:
		return told{"Draw the same number", []Span{plain("%s.", capital(l.drawing()))}, "How is it drawn?"}
	case number.Over:
		if s.Count == 0 {
			return told{"Count what is over", []Span{plain("Nothing is outside the rings: "), l.tell("no ones", place.Ones), plain(".")}, "How many are outside the rings?"}
		}
		if l.n < 10 {
			return told{"Count them", []Span{l.tell(capital(l.things(l.Asked, s.Count)), place.Ones), plain(": not enough for a ring.")}, "Is there enough for a ring of ten?"}
		}
		says := []Span{l.tell(capital(l.Number(place.Number(s.Count))), place.Ones), plain(" outside the rings: the ones.")}
		if l.n < 20 { // two groups are put together because one is a full ten
			says = append(says, plain(" One group is a full ten: ten and %s are %s.", l.Number(place.Number(s.Count)), l.Number(l.Asked.Number)))
		}
		return told{"Count what is over", says, "How many are outside the rings?"}
	}
	says := []Span{l.tell("Ten", place.Tens), plain(" are marked and ringed, and 10 is written.")}
	if s.Ten > 1 {
		says = append(says, plain(" %s so far.", capital(l.Number(place.Number(s.Count)))))
	}
	return told{"Ring ten", says, "How many more are in a ring?"}
}

// drawing says how a number is drawn.
func (w Words) drawn(tens, ones int) string {
	lines, dots := place.Number(tens).Words(false)+" lines", place.Number(ones).Words(false)+" dots"
	switch tens {
	case 0:
		lines = "no line"
	case 1:
		lines = "one line"
	}
	switch ones {
	case 0:
		dots = "no dot"
	case 1:
		dots = "one dot"
	}
	return lines + " and " + dots
}

func (l numberTable) drawing() string { return l.drawn(l.Asked.Tens(), l.Asked.Ones()) }

// laid is what is laid, drawn or counted of tens and ones.
func (l numberTable) laid(s trace.Step) told {
	counts := len(s.Moves) == 0 && s.At.Phase == trace.Counting
	p, n := place.Tens, l.Asked.Tens()
	if s.Kind == number.Ones {
		p, n = place.Ones, l.Asked.Ones()
	}
	do := "Lay " + l.Count(n, p)
	if l.Work.Drawn {
		do = "Draw " + l.Count(n, p)
	}
	if counts {
		do = "Count the " + l.PlaceMany(p)
	}
	ask := "How many " + l.PlaceMany(p) + "?"
	total := plain(": %s.", l.Number(place.Number(s.Count)))
	switch {
	case p == place.Ones && n == 0:
		return told{do, []Span{l.tell(capital(l.Count(0, place.Ones)), place.Ones), total}, ask}
	case p == place.Tens && counts && l.Work.Drawn:
		return told{do, []Span{l.tell(capital(l.Count(n, p)), p), total, plain(" A line is a ten, and not a 1.")}, ask}
	case p == place.Tens && counts && n > 1:
		return told{do, []Span{plain("%s: ", capital(l.byTens(n))), l.tell(l.Count(n, p), p), plain(".")}, ask}
	case p == place.Ones && n > 0 && l.n > 10:
		return told{do, []Span{plain("And "), l.tell(l.Count(n, p), p), total}, ask}
	}
	return told{do, []Span{l.tell(capital(l.Count(n, p)), p), total}, ask}
}

// placed is what is laid, drawn or counted place by place, and its cards.
func (l numberTable) placed(s trace.Step) told {
	n := l.Asked.Number
	switch s.Kind {
	case number.Label:
		says := []Span{plain("No card is needed: nothing lies there.")}
		if n > 0 {
			cards := "a card for each kind"
			if len(s.Cards) == 1 {
				cards = "one card"
			}
			says = []Span{plain("%s: %s%s.", list(l.numerals(s.Cards)), cards, l.cardless())}
		}
		return told{"Lay the cards", says, "Which cards are laid?"}
	case number.Slide:
		says := []Span{plain("Slid together they read "), l.tell(l.Numeral(n), n.Top()), plain("%s.", l.hidden())}
		return told{"Slide the cards together", says, "Which number do the cards make?"}
	}
	do, kind := "Lay ", l.Count(s.Count, s.To)
	if l.Work.Drawn {
		do = "Draw "
	}
	ask := "How many, and of what kind?"
	switch {
	case s.Count == 0:
		return told{"Look at the " + l.PlaceMany(s.To), []Span{l.tell(capital(kind), s.To), plain(": nothing of that kind lies there.")}, ask}
	case len(s.Moves) == 0:
		do = "Count the " + l.PlaceMany(s.To)
	default:
		do += kind
	}
	if l.Asked.Shown == number.TenOf || l.Asked.Shown == number.Renamed || l.Asked.Shown == number.Unswapped { // what they make is asked
		return told{do, []Span{l.tell(capital(kind), s.To), plain(".")}, ask}
	}
	worth := place.Number(s.Count * s.To.Unit())
	return told{do, []Span{l.tell(capital(kind), s.To), plain(": %s.", l.Numeral(worth))}, ask}
}

// kind is one piece of a kind, or the one that ten of the kind below make.
func (l numberTable) kind(s trace.Step) told {
	one := l.Count(1, s.To)
	if s.Kind == number.SwapUp {
		return told{capital(l.forms().do) + " " + one, []Span{plain("%s %s ", capital(l.Count(10, s.From)), l.forms().they), l.tell(one, s.To), plain(": %s.", l.Numeral(place.Number(s.To.Unit())))}, "What do ten of them make?"}
	}
	single := "a " + strings.TrimPrefix(one, "one ")
	says := []Span{l.tell(capital(single), s.To), plain(".")}
	switch s.To {
	case place.Tens, place.Hundreds:
		says = []Span{l.tell(capital(single), s.To), plain(": as large as %s.", l.Count(10, s.To-1))}
	case place.Thousands:
		says = []Span{l.tell(capital(single), s.To), plain(": as large as %s, and heavy. It is carried in two hands.", l.Count(10, s.To-1))}
	}
	return told{"Lay " + single, says, "What is this one called?"}
}

// empty are the places in which nothing lies.
func (l numberTable) empty() []string {
	var names []string
	for _, p := range l.Asked.Places() {
		if l.Asked.Number.Digit(p) == 0 {
			names = append(names, l.PlaceMany(p))
		}
	}
	return names
}

// cardless says which places have no card.
func (l numberTable) cardless() string {
	if empty := l.empty(); len(empty) > 0 {
		return ", none for the " + list(empty)
	}
	return ""
}

// hidden says what a 0 in the number means, or where the zeros of the cards have gone.
func (l numberTable) hidden() string {
	empty := l.empty()
	switch {
	case l.n < 10:
		return ""
	case len(empty) == 0:
		return ". The zeros of the cards are hidden"
	case len(empty) == 1:
		return ". The 0 says that there are no " + empty[0]
	}
	return ". Each 0 says that nothing of its kind lies there"
}

// byTens counts by tens: "ten, twenty, thirty".
func (l numberTable) byTens(tens int) string {
	said := make([]string, tens)
	for i := range said {
		said[i] = l.Number(place.Number(10 * (i + 1)))
	}
	return strings.Join(said, ", ")
}

func (l numberTable) parts() told {
	if l.n >= 100 && l.Asked.Answered != number.HowMany && l.Asked.Answered != number.Hundreds {
		return l.largeInParts()
	}
	tens, ones := l.Asked.Tens(), l.Asked.Ones()
	unit := []Span{l.tell(capital(l.Count(tens, place.Tens)), place.Tens), plain(" and "), l.tell(l.Count(ones, place.Ones), place.Ones), plain(".")}
	switch l.Asked.Answered {
	case number.Hundreds:
		return told{"Say how many hundreds", []Span{l.tell(capital(l.Count(l.n/100, place.Hundreds)), place.Hundreds), plain(". They are worth %s.", l.Number(place.Number(l.n/100*100)))}, "How many hundreds are there?"}
	case number.HowMany:
		return told{"Say how many tens", []Span{l.tell(capital(l.Count(tens, place.Tens)), place.Tens), plain(". They are worth %s.", l.Number(place.Number(10*tens)))}, "How many tens are there?"}
	case number.InParts:
		return told{"Write the parts", []Span{l.tell(l.Numeral(place.Number(10*tens)), place.Tens), plain(" + "), l.tell(l.Numeral(place.Number(ones)), place.Ones), plain(".")}, "Which parts make it?"}
	}
	if l.Asked.Shown == number.Riddle {
		return told{"Swap ten ones", append([]Span{plain("Ten of the ones make one ten more: ")}, unit...), "What do ten ones make?"}
	}
	return told{"Say the tens and the ones", unit, "How many tens, how many ones?"}
}

// largeInParts writes or says the parts of a number from 100 on.
func (l numberTable) largeInParts() told {
	n := l.Asked.Number
	if l.Asked.Answered == number.InUnits {
		return told{"Say how many of each kind", []Span{plain("%s.", capital(list(l.kinds(n))))}, "How many are there of each kind?"}
	}
	var says []Span
	for _, part := range n.Expanded() {
		if len(says) > 0 {
			says = append(says, plain(" + "))
		}
		says = append(says, l.tell(l.Numeral(part), part.Top()))
	}
	return told{"Write the parts", append(says, plain(".")), "Which parts make it?"}
}

func (l numberTable) writes(s trace.Step) told {
	p := s.Column[len(s.Column)-1].Place
	says := []Span{l.tell(l.Numeral(place.Number(s.Count)), p), plain(" for the %s.", l.PlaceMany(p))}
	if s.Count == 0 && l.n > 0 {
		says = []Span{l.tell("0", p), plain(": there are %s.", l.Count(0, p))}
	}
	if l.n < 10 {
		says = []Span{plain("It is written "), l.tell(l.Numeral(place.Number(l.n)), p), plain(".")}
	}
	return told{fmt.Sprintf("Write the %s", l.PlaceMany(p)), says, "Which figure is written for the " + l.PlaceMany(p) + "?"}
}

// answer says the number back: how its word and its figures go together.
func (l numberTable) answer() told {
	if l.Asked.Answered == number.CountBack {
		return told{"Count back from 9", []Span{plain("Nine in the nine, and no stick is over: every box is right.")}, "How many are in the last box?"}
	}
	if l.Asked.Answered == number.Match {
		return told{"Say them all", []Span{plain("%s: all are matched.", capital(l.numbers(l.Choices)))}, "How are they said?"}
	}
	if said, own := l.answerOfPlaces(); own {
		return told{"Say it back", said, "How is it said?"}
	}
	n := l.Asked.Number
	says := []Span{plain("%s.", capital(l.Number(n)))}
	_, cord := l.Parts(n)
	ones := l.Number(place.Number(l.Asked.Ones()))
	switch {
	case l.Asked.Shown == number.Kinds || l.Asked.Shown == number.TenOf:
		says = append(says, plain(" Ten of each kind make one of the next."))
	case l.Asked.Answered == number.ToTen:
		says = []Span{plain("%s and %s make ten.", capital(l.Number(n)), l.Number(10-n))}
	case cord == Bound:
		says = append(says, plain(" It has a name of its own: ten and %s.", ones))
	case cord == Crossed:
		says = append(says, plain(" The word says the %s first, the figures write the ten first.", ones))
	case cord == Looped && n < 20:
		says = append(says, plain(" The word has changed, and says the %s first: ten and %s.", ones, ones))
	case n >= 10:
		says = append(says, plain(" %s.", capital(l.UnitsOf(n))))
	}
	return told{"Say it back", says, "How is it said?"}
}

// InRing says what is to be said of so many things in a ring that a child closes: ten are
// right, and what is missing or too many is named.
func (w Words) InRing(n int) string {
	said := capital(w.Number(place.Number(n)))
	switch {
	case n == 10:
		return "Ten are in the ring: 10 is written."
	case n == 0:
		return "Nothing is in the ring yet."
	case n < 10:
		return fmt.Sprintf("%s in the ring. %s more to make ten.", said, capital(w.Number(place.Number(10-n))))
	}
	return fmt.Sprintf("%s in the ring. That is %s too many for a ten.", said, w.Number(place.Number(n-10)))
}

// LastBox says what the last box shows when a child has laid all the sticks: nine are
// right, and what is missing or too many there belongs somewhere else.
func (w Words) LastBox(n int) string {
	number := func(n int) string { return w.Number(place.Number(n)) }
	said := capital(number(n))
	switch {
	case n == 9:
		return "Nine in the nine. Every stick has its place."
	case n == 8:
		return "Eight in the nine. Where is the other?"
	case n == 0:
		return "Nothing in the nine. Where are its nine?"
	case n < 9:
		return fmt.Sprintf("%s in the nine. Where are the other %s?", said, number(9-n))
	case n == 10:
		return "Ten in the nine. Where does one of them belong?"
	}
	return fmt.Sprintf("%s in the nine. Where do %s of them belong?", said, number(n-9))
}

// InHeap says what is to be said of so many sticks that a child has not laid yet.
func (w Words) InHeap(n int) string {
	if n == 1 {
		return "One stick is in the heap. Where does it belong?"
	}
	return capital(w.Number(place.Number(n))) + " sticks are in the heap. Where do they belong?"
}

// What is said of sticks that a child lays: of a touch on the box of 0, and of a last box
// that is right although others are not.
const (
	NothingInZero = "Nothing belongs in the 0: zero is nothing."
	LastBoxAlone  = "Nine in the nine, but other boxes are not right. Count each one."
)

// TurnRole says what a child does where numbers are asked one after another.
func (w Words) TurnRole(child int) string {
	if child == 0 {
		return "begins, and is asked in turn"
	}
	return "is asked in turn"
}

// Digits says how many digits a number has: "three digits".
func Digits(n int) string { return place.Number(n).Words(false) + " digits" }

// Zeros says whether numbers have zeros, as on its button.
func Zeros(z number.Zeros) string {
	return map[number.Zeros]string{number.NoZeros: "no zeros", number.AnyZeros: "either", number.WithZeros: "with zeros"}[z]
}

// NumbersInWays says how many numbers are asked in how many ways.
func NumbersInWays(numbers, ways int) string {
	return fmt.Sprintf("%s %s in %d %s", Words{Comma: WithComma}.Numeral(place.Number(numbers)), plural("number", numbers), ways, plural("way", ways))
}

// AskedLately says how many questions were asked lately and are left out; empty for none.
func AskedLately(n int) string {
	if n == 0 {
		return ""
	}
	return fmt.Sprintf("%d of them asked lately, and left out", n)
}

// OneBasis says what the minutes of a number asked alone are made of.
const OneBasis = "One to lay out, a few seconds for each step, one to say it back."

// fetched names what is fetched for a number besides its pieces.
var fetched = map[trace.Thing][2]string{
	chain.Tag:   {"tag", "tags"},
	number.Card: {"number card", "number cards"}, number.Frame: {"ten frame", "ten frames"}, number.Box: {"box of five", "boxes of five"}, number.Cover: {"cover", "covers"},
	number.RackOf10: {"bead rack of 10", "bead racks of 10"}, number.RackOf20: {"bead rack of 20", "bead racks of 20"}, number.RackOf100: {"bead rack of 100", "bead racks of 100"}, number.Band: {"rubber band", "rubber bands"},
	number.Whiteboard: {"whiteboard for each", "whiteboards for each"}, number.Sheet: {"sheet with the picture", "sheets with the picture"}, number.Pencil: {"pencil and paper", "pencils and paper"},
}

// Fetched names what is fetched, by how many.
func Fetched(t trace.Thing, n int) string { return fetched[t][min(1, max(0, n-1))] }

// Things counts things: "one thing", "43 things".
func Things(n int) string {
	if n == 1 {
		return "one thing"
	}
	return fmt.Sprint(n, " things")
}

// PieceFetched names a piece of no place that is fetched, by how many.
func PieceFetched(p piece.Piece, n int) string {
	if p == piece.Stick {
		return plural("stick", n)
	}
	if name, beads, of := strings.Cut(p.String(), "-"); of {
		return fmt.Sprintf("%s of %s", plural(map[string]string{"bar": "bar", "remainder": "remainder bar", "rod": "rod"}[name], n), beads)
	}
	return plural("thing", n) + " to count"
}
