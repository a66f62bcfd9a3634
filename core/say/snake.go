package say

import (
	"fmt"

	"vineswap/core/piece"
	"vineswap/core/place"
	"vineswap/core/snake"
	"vineswap/core/trace"
)

// GoldenBars names golden bars of ten.
func GoldenBars(n int) string { return "golden " + plural("bar", n) }

// SnakeName names a snake of so many bars: "Snake, 7 bars".
func SnakeName(bars int) string { return fmt.Sprintf("Snake, %d %s", bars, plural("bar", bars)) }

// HowManyBeads is what a snake asks.
const HowManyBeads = "How many beads has the snake?"

func init() { tables[snake.Kind] = snakeTold }

// snakeTold are the lines and questions of a snake of bead bars.
func snakeTold(w Words, t trace.Trace) []told {
	work, _ := snake.Worked(t)
	l := snakeTable{w, work}
	lines := make([]told, len(t.Steps))
	for i, s := range t.Steps {
		lines[i] = l.line(s)
	}
	return lines
}

// snakeTable is the table of sentences of one snake.
type snakeTable struct {
	Words
	snake.Work
}

func (l snakeTable) word(n int) string { return l.Number(place.Number(n)) }

// StairsExample says what snakes can be laid from so many stairs.
func StairsExample(stairs int) string {
	if stairs == 0 {
		return "No snake can be laid."
	}
	return fmt.Sprintf("A snake has up to %d bars, at most %s of a size.", min(snake.MostBars, stairs*piece.LongestBar), place.Number(stairs).Words(false))
}

// RemaindersExample says what snakes can be counted with remainder bars, or without.
func RemaindersExample(owned bool) string {
	if owned {
		return "A ten may cut a bar: a second snake."
	}
	return "Every ten ends at a bar's end: a first snake."
}

// SnakeStairs says what the class has for its snakes.
func SnakeStairs(stairs int) string {
	if stairs == 0 {
		return "no stairs: set in Settings how many there are"
	}
	return fmt.Sprintf("%s: at most %s of a size", Words{}.many("stair", stairs), Words{}.many("bar", stairs))
}

// SnakeTen says how a ten ends: "five left of eight", "at the end of four".
func (w Words) SnakeTen(last, left int) string {
	if left == 0 {
		return "at the end of " + w.Number(place.Number(last))
	}
	return fmt.Sprintf("%s left of %s", w.Number(place.Number(left)), w.Number(place.Number(last)))
}

// SnakeEnd says what a snake becomes: "5 golden tens and 7".
func SnakeEnd(golden, last int) string {
	says := fmt.Sprintf("%d golden %s", golden, plural("ten", golden))
	if last > 0 {
		says += fmt.Sprintf(" and %d", last)
	}
	return says
}

// SnakeMend says which wish would be given up so that there are snakes.
func SnakeMend(m snake.Mend) string {
	switch {
	case m.Without == "cut":
		return "Let a ten cut a bar or not"
	case m.Without == "end":
		return "Let beads follow the last ten or not"
	case m.Bars > 0:
		return "Take " + Words{}.many("bar", m.Bars)
	}
	return fmt.Sprintf("Leave it open whether %s are left", Words{}.Number(place.Number(m.Left)))
}

// SnakeNever says why no first snake fits where a remainder must come up.
func SnakeNever(left int) string {
	return fmt.Sprintf("Never is 0: a ten must leave %d.", left)
}

// many is so many of something, in words: "seven bars".
func (w Words) many(noun string, n int) string {
	return w.Number(place.Number(n)) + " " + plural(noun, n)
}

func are(n int) string {
	if n == 1 {
		return "is"
	}
	return "are"
}

// run is the ten that a step belongs to, or what follows the last one.
func (l snakeTable) run(s trace.Step) snake.Run {
	if s.Ten <= len(l.Tens) {
		return l.Tens[s.Ten-1]
	}
	return l.End
}

// sizes lists the bars from one to another, the last one named last: "the five and the six".
func (l snakeTable) sizes(from, to int) string {
	var words []string
	for _, beads := range l.Snake.Bars[from:to] {
		words = append(words, "the "+l.word(beads))
	}
	return list(words)
}

func (l snakeTable) line(s trace.Step) told {
	switch s.Kind {
	case snake.Lay:
		return told{"Lay the snake", []Span{plain("A snake of %s. How many beads has it?", l.many("bar", s.Count))}, ""}
	case snake.Estimate:
		return told{"Estimate", []Span{plain("About how many beads are there? Say it, write it down, lock it.")}, ""}
	case snake.Count:
		return l.counts(s)
	case snake.Stop:
		return told{"Stop at ten", []Span{l.tell("Ten.", place.Tens), plain(" Stop. A golden ten is as long.")}, "Where does the ten end? What is as long?"}
	case snake.Golden:
		return told{"Lay in the golden ten", []Span{plain("The "), l.tell("golden ten", place.Tens), plain(" goes in.")}, "What goes in for the ten?"}
	case snake.Left:
		return told{"Count what is left", []Span{l.tell(capital(l.word(s.Count)), place.Ones), plain(" %s left of the %s.", are(s.Count), l.word(l.Snake.Bars[l.run(s).To-1]))}, "How many are left of the bar?"}
	case snake.Aside:
		return l.aside(s)
	case snake.Remain:
		return told{"Lay in the " + l.word(s.Count), []Span{l.tell("Ten", place.Tens), plain(", and "), l.tell(l.word(s.Count), place.Ones), plain(" %s left of the %s.", are(s.Count), l.word(l.Snake.Bars[l.run(s).To-1]))}, "Which remainder bar goes in?"}
	case snake.Close:
		return told{"Close the snake", []Span{l.tell(capital(l.word(s.Count)), place.Ones), plain(" after the last ten.")}, "Which bar closes the snake?"}
	case snake.ByTens:
		return told{"Count the tens", []Span{plain("%s, ", capital(l.many("ten", s.Ten))), l.tell(l.word(s.Count), place.Tens), plain(".")}, "How many tens are there? How much is that?"}
	case snake.Total:
		return l.total(s)
	}
	return l.checks(s)
}

// counts are the steps of counting on, bead by bead.
func (l snakeTable) counts(s trace.Step) told {
	do := "Count " + l.word(s.Count)
	run := l.run(s)
	switch {
	case s.Count == run.Old+1 && run.Old > 0:
		do = "Count on from " + l.word(run.Old)
	case s.Count == 1:
		do = "Count from one"
	}
	return told{do, []Span{l.tell(capital(l.word(s.Count)), place.Ones), plain(".")}, ""}
}

func (l snakeTable) aside(s trace.Step) told {
	run := l.run(s)
	leave := "go"
	if run.To-run.From == 1 {
		leave = "goes"
	}
	says := []Span{plain("%s %s aside.", capital(l.sizes(run.From, run.To)), leave)}
	if run.Old > 0 {
		says = append(says, plain(" The remainder bar of %s goes home.", l.word(run.Old)))
	}
	if run.Left == 0 {
		says = append(says, plain(" The ten ended with the bar."))
	}
	return told{"Lay the used bars aside", says, "Which bars are used up?"}
}

func (l snakeTable) total(s trace.Step) told {
	if s.Ten == 0 {
		return told{"Read it", []Span{l.tell(capital(l.word(s.Count)), place.Ones), plain(" beads.")}, "How many beads has the snake?"}
	}
	return told{"Read it to the end", []Span{
		l.tell(capital(l.word(snake.Ten*s.Ten)), place.Tens), plain(" and "), l.tell(l.word(l.End.Left), place.Ones), plain(": "), l.tell(l.word(s.Count), place.Tens), plain("."),
	}, "And what follows the last ten?"}
}

// checks are the steps at which the bars laid aside are counted again.
func (l snakeTable) checks(s trace.Step) told {
	switch s.Kind {
	case snake.Pair:
		p := l.Pairs[s.Ten-1]
		a, b := l.Snake.Bars[p[0]], l.Snake.Bars[p[1]]
		return told{fmt.Sprintf("Pair %d and %d", a, b), []Span{plain("%s and %s are as long as a ", capital(l.word(a)), l.word(b)), l.tell("golden ten", place.Tens), plain(".")}, fmt.Sprintf("Which bar makes ten with %d?", a)}
	case snake.Rest:
		words := make([]string, len(l.Rest))
		for i, at := range l.Rest {
			words[i] = l.word(l.Snake.Bars[at])
		}
		says := capital(list(words))
		if len(words) == 1 {
			return told{"Lay out the bar that is over", []Span{plain("%s is as long as what follows the last ten.", says)}, "What is as long as the last bar?"}
		}
		return told{"Lay out the bars that are over", []Span{plain("%s are ", says), l.tell(l.word(s.Count), place.Ones), plain(" together: as long as the rest of the snake.")}, "How much are the other bars together?"}
	}
	return told{"Compare", []Span{plain("Nothing is over, nothing is missing: "), l.tell(l.word(s.Count), place.Tens), plain(".")}, "Is anything over, or missing?"}
}
