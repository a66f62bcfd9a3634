package say

import (
	"fmt"

	"vineswap/core/book"
	"vineswap/core/chain"
	"vineswap/core/numberrods"
	"vineswap/core/place"
	"vineswap/core/trace"
)

func init() {
	tables[chain.Kind], tables[numberrods.Kind] = chainTold, rodsTold
}

// chainTold are the lines and questions of a chain of equal bars.
func chainTold(w Words, t trace.Trace) []told {
	work, _ := chain.Worked(t)
	lines := make([]told, len(t.Steps))
	for i, s := range t.Steps {
		lines[i] = chainTable{w, work.Chain}.line(s)
	}
	return lines
}

type chainTable struct {
	Words
	chain.Chain
}

func (w Words) numbered(n int) string { return w.Number(place.Number(n)) }

// bars names bars of so many beads: "sevens", "one ten".
func (w Words) bars(n, beads int) string {
	name := map[int]string{1: "one", 2: "two", 6: "six", 10: "ten", 100: "hundred"}[beads]
	many := map[int]string{6: "sixes"}[beads]
	if name == "" {
		name = w.numbered(beads)
	}
	if many == "" {
		many = name + "s"
	}
	if n == 1 {
		return name
	}
	return many
}

// BarsOf names bars of so many beads: "sevens".
func BarsOf(beads int) string { return Words{}.bars(2, beads) }

// of is so many bars in words: "four sevens".
func (l chainTable) of(n int) string { return l.numbered(n) + " " + l.bars(n, l.Beads) }

func (l chainTable) line(s trace.Step) told {
	at := l.tell(l.numbered(s.Count), place.Tens)
	switch s.Kind {
	case chain.Lay:
		return l.lays()
	case chain.Begin:
		return told{"Begin at the tag " + l.Numeral(place.Number(s.Count)), []Span{plain("We count on from "), at, plain(".")}, ""}
	case chain.Five:
		return told{"Five more", []Span{plain("Five more: "), at, plain(".")}, "Where are five more?"}
	case chain.One:
		return told{"One more", []Span{l.tell(capital(l.numbered(s.Count)), place.Ones), plain(".")}, ""}
	case chain.AtEnd:
		return told{"Lay the tag " + l.Numeral(place.Number(s.Count)), []Span{l.tell(capital(l.numbered(s.Count)), place.Tens), plain(": %s.", l.of(s.Ten))}, l.next(s)}
	case chain.Aloud:
		return told{"Read the tags", []Span{plain("%s are ", capital(l.of(s.Ten))), at, plain(".")}, "How far does the chain go?"}
	case chain.Fold:
		return l.folds(s)
	case chain.Whole:
		return told{"Look at the square", []Span{plain("%s side by side: the square of %s. That is ", capital(l.of(s.Ten)), l.numbered(l.Beads)), at, plain(".")}, "What have the bars become? How much is it?"}
	case chain.Group:
		return told{"Fold square " + l.Numeral(place.Number(s.Ten)), []Span{plain("%s: ", capital(l.many("square", s.Ten))), at, plain(".")}, "How much are the squares together?"}
	case chain.Stack:
		return told{"Stack the squares", []Span{plain("%s on one another: the cube of %s. That is ", capital(l.many("square", s.Ten)), l.numbered(l.Beads)), at, plain(".")}, "What have the squares become?"}
	case chain.Ring:
		return told{"Count the next " + l.bars(1, l.Beads), []Span{plain("%s %s ", capital(l.of(s.Ten)), are(s.Ten)), at, plain(".")}, "Is there another one?"}
	}
	return told{"Say it back", []Span{plain("There %s ", are(s.Count)), l.tell(l.of(s.Count), place.Tens), plain(" in %s.", l.Numeral(place.Number(l.Total())))}, ChainAsk(l.Chain)}
}

func (l chainTable) lays() told {
	if l.Asks == chain.HowMany {
		return told{"Lay it out", []Span{plain("Here lie %s. %s", l.Numeral(place.Number(l.Total())), ChainAsk(l.Chain))}, ""}
	}
	return told{"Lay out the chain", []Span{plain("A chain of %s. We count by %s.", l.of(l.Bars), l.bars(2, l.Beads))}, ""}
}

// next asks what comes after the last tag.
func (l chainTable) next(s trace.Step) string {
	if s.Ten == 1 {
		return "Which tag is the first?"
	}
	return fmt.Sprintf("%s more than %s?", capital(l.numbered(l.Beads)), l.numbered(s.Count-l.Beads))
}

func (l chainTable) folds(s trace.Step) told {
	left := l.Bars - s.Ten
	says := plain("%s %s side by side.", capital(l.of(s.Ten)), map[bool]string{true: "lies", false: "lie"}[s.Ten == 1])
	if left > 0 {
		return told{"Fold the " + Ordinal(s.Ten) + " bar", []Span{says, plain(" %s %s still to fold.", capital(l.numbered(left)), are(left))}, ""}
	}
	return told{"Fold the last bar", []Span{says}, ""}
}

// ChainName names a chain: "Chain of 7", "4s in 28".
func ChainName(c chain.Chain) string {
	if c.Asks == chain.HowMany {
		return fmt.Sprintf("%ds in %s", c.Beads, Words{Comma: WithComma}.Numeral(place.Number(c.Total())))
	}
	name := fmt.Sprintf("Chain of %d", c.Beads)
	if c.Stacks() {
		name = "Long chain of " + fmt.Sprint(c.Beads)
	} else if c.Bars != c.Beads {
		name += fmt.Sprintf(" to %d", c.Total())
	}
	if c.From > 0 {
		name += fmt.Sprintf(" from %d", c.From*c.Beads)
	}
	return name
}

// ChainAsk is what a chain asks.
func ChainAsk(c chain.Chain) string {
	if c.Asks == chain.HowMany {
		return fmt.Sprintf("How many %s are in %s?", Words{}.bars(2, c.Beads), Words{Comma: WithComma}.Numeral(place.Number(c.Total())))
	}
	return fmt.Sprintf("How far does the chain of %s go?", Words{}.bars(2, c.Beads))
}

// rodsTold are the lines and questions of number rods.
func rodsTold(w Words, t trace.Trace) []told {
	work, _ := numberrods.Worked(t)
	lines := make([]told, len(t.Steps))
	for i, s := range t.Steps {
		lines[i] = rodsTable{w, work.Rods}.line(s)
	}
	return lines
}

type rodsTable struct {
	Words
	numberrods.Rods
}

func (l rodsTable) line(s trace.Step) told {
	n := l.numbered(s.Count)
	switch s.Kind {
	case numberrods.Lay:
		return l.lays()
	case numberrods.Place:
		return told{"Lay the " + n, []Span{l.tell(capital(n), place.Ones), plain(".")}, "Which rod comes next?"}
	case numberrods.Count:
		return told{"Count them", []Span{plain("One to "), l.tell(n, place.Ones), plain(": each one is longer by one.")}, "By how much is each one longer?"}
	case numberrods.First:
		return told{"Take the " + n, []Span{plain("This is the %s.", n)}, ""}
	case numberrods.Second:
		if l.Asks == numberrods.Missing {
			return told{"Lay the one that is missing", []Span{l.tell(capital(n), place.Ones), plain(" is missing.")}, RodsAsk(l.Rods)}
		}
		return told{"Lay the " + n + " at its end", []Span{plain("The %s and the %s, end to end.", l.numbered(l.Rods.First), n)}, ""}
	case numberrods.Long:
		if l.Asks == numberrods.Missing {
			return told{"Take the " + n, []Span{plain("This is the %s.", n)}, ""}
		}
		return told{"Lay the " + n + " beside them", []Span{plain("The "), l.tell(n, place.Ones), plain(" lies beside them.")}, RodsAsk(l.Rods)}
	}
	return told{"Say it back", []Span{plain("%s and %s together are as long as ", capital(l.numbered(l.Rods.First)), l.numbered(l.Rods.Second())), l.tell(n, place.Tens), plain(".")}, "Tell it: what is as long as what?"}
}

func (l rodsTable) lays() told {
	if l.Asks == numberrods.Order {
		return told{"Mix the rods", []Span{plain("The rods lie mixed. Which one is the shortest?")}, ""}
	}
	return told{"Lay the rods in order", []Span{plain("The rods of one to ten lie in order. %s", RodsAsk(l.Rods))}, ""}
}

// RodsName names a question with number rods.
func RodsName(r numberrods.Rods) string {
	switch r.Asks {
	case numberrods.Beside:
		return fmt.Sprintf("Rods %d and %d", r.First, r.Second())
	case numberrods.Missing:
		return fmt.Sprintf("Rods %d to %d", r.First, r.Long)
	}
	return fmt.Sprintf("Rods 1 to %d", r.Long)
}

// RodsAsk is what is asked of number rods.
func RodsAsk(r numberrods.Rods) string {
	word := Words{}.numbered
	switch r.Asks {
	case numberrods.Beside:
		return fmt.Sprintf("Which rod is as long as %s and %s together?", word(r.First), word(r.Second()))
	case numberrods.Missing:
		return fmt.Sprintf("Which rod is missing beside %s to make %s?", word(r.First), word(r.Long))
	}
	return "Which rod comes next?"
}

// WithBars says with what bars of beads or rods are worked.
func WithBars(rods bool, m book.Manner) string {
	switch {
	case m != "" && !m.WithMaterial():
		return InManner(m)
	case rods:
		return "with rods"
	}
	return "with beads"
}

// The names of what can be chosen of chains and rods.
var (
	chainAsks   = map[chain.Asks]string{chain.Count: "count it", chain.HowMany: "how many are in it"}
	chainLength = map[chain.Lengths]string{chain.ToSquare: "short: a square", chain.ToCube: "long: a cube"}
	rodsAsks    = map[numberrods.Asks]string{numberrods.Order: "in order", numberrods.Beside: "two beside a third", numberrods.Missing: "what is missing"}
)

// ChainAsks, ChainLength and RodsAsks name what can be chosen.
func ChainAsks(a chain.Asks) string { return chainAsks[a] }

// ChainLength names a length of chains.
func ChainLength(l chain.Lengths) string { return chainLength[l] }

// RodsAsks names what can be asked with number rods.
func RodsAsks(a numberrods.Asks) string { return rodsAsks[a] }
