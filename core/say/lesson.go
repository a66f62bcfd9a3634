package say

import (
	"fmt"
	"strings"

	"vineswap/core/book"
	"vineswap/core/chain"
	"vineswap/core/material"
	"vineswap/core/numberrods"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/snake"
	"vineswap/core/swap"
	"vineswap/core/task"
	"vineswap/core/trace"
)

// What a lesson says of itself outside its steps.
const (
	Choose    = "choose"                                           // the ribbon's first mark
	Gather    = "gather"                                           // and its second
	Record    = "record"                                           // its last, where there are children
	WriteUp   = "Write up who did what"                            // what is done after the last step with children
	Finish    = "Finish the lesson"                                // what is done after the last step
	Gathering = "The numbers are chosen. Next, gather the pieces." // said before the first step
)

// Phase names the stretch of the work that a position lies in, as on the
// ribbon: "build", "join", the place at work, "read"; what lies there differs from scene to scene.
func (w Words) Phase(at trace.Position, scene trace.Scene) string {
	switch at.Phase {
	case trace.Before:
		return "estimate"
	case trace.Checking:
		return "check"
	case trace.LayOut:
		switch scene {
		case trace.Problem:
			return "build"
		case snake.Scene, chain.Scene, numberrods.Scene:
			return "lay"
		}
		return "show"
	case trace.Covering:
		return "cover"
	case trace.Counting:
		switch scene {
		case numberrods.Scene:
			return "beside"
		}
		return "count"
	case trace.Folding:
		return "fold"
	case trace.Writing:
		return "write"
	case trace.Joining:
		return "join"
	case trace.Work:
		if !at.Place.HasPiece() { // a long word, where there is little room
			return w.Numeral(place.Number(at.Place.Unit()))
		}
		return w.PlaceMany(at.Place)
	case trace.Swapping:
		return w.down().SwapNouns()
	}
	return "read"
}

// Role says what a child at the mat does: the numbers that it builds, the places
// that are its turns, whether it takes groups off in turn with the others, and
// whether it keeps the bank. A child with nothing of these lays the large cards.
func (w Words) Role(builds []place.Number, works []place.Place, groups, store bool) string {
	var parts, places []string
	for _, p := range works {
		places = append(places, "the "+w.PlaceMany(p))
	}
	if len(builds) > 0 {
		parts = append(parts, "builds "+w.onTrays(builds))
	}
	if len(places) > 0 {
		parts = append(parts, "works "+list(places))
	}
	if groups {
		parts = append(parts, "takes groups off")
	}
	if store {
		parts = append(parts, "keeps the "+w.TheBank())
	}
	if len(parts) == 0 {
		return "lays the large cards"
	}
	return strings.Join(parts, ", ")
}

// InReach says of a task that is worked without pieces that they are to be in reach; empty for
// one that is worked with them.
func InReach(m book.Manner) string {
	if m.WithMaterial() {
		return ""
	}
	return "Worked " + InManner(m) + ": the pieces are only in reach."
}

// Turns says how the turn goes round at a task, with several children; each is that every
// child works it whole.
func (w Words) Turns(t task.Task, each bool) string {
	if each {
		return "Each child works it on its own."
	}
	if len(t.Parts()) == 0 || len(t.Shows()) == 0 {
		return "The turn passes on."
	}
	return capital(w.For(t.Kind).ASwap()) + " goes to the child who has yet to show it."
}

// onTrays lists numbers that are built, equal ones at once: "26 on three trays".
func (w Words) onTrays(numbers []place.Number) string {
	same := len(numbers) > 1
	for _, n := range numbers {
		same = same && n == numbers[0]
	}
	if same {
		return fmt.Sprintf("%s on %s trays", w.Numeral(numbers[0]), place.Number(len(numbers)).Words(false))
	}
	return list(w.numerals(numbers))
}

// Trays says what the trays of a problem are for.
func Trays(p problem.Problem) string {
	switch p.Kind {
	case problem.Difference:
		return "one for the larger number, one for what is taken"
	case problem.Sharing:
		return fmt.Sprintf("one for the number, %s for the shares", p.Numbers[1].Words(false))
	case problem.Grouping:
		return "one for the number, one for the groups"
	}
	return fmt.Sprintf("%s for the numbers, one for the total", place.Number(len(p.Addends())).Words(false))
}

// Trays names what lies on each tray of a problem, and the tray of the result,
// where there is one.
func (w Words) Trays(p problem.Problem) (laid []string, result string) {
	switch p.Kind {
	case problem.Difference:
		return []string{w.Numeral(p.Numbers[0]), "what is taken"}, ""
	case problem.Sharing:
		laid = []string{w.Numeral(p.Numbers[0])}
		for i := range int(p.Numbers[1]) {
			laid = append(laid, fmt.Sprintf("share %d", i+1))
		}
		return laid, ""
	case problem.Grouping:
		return []string{w.Numeral(p.Numbers[0]), fmt.Sprintf("groups of %s", p.Numbers[1].Words(false))}, ""
	}
	return w.numerals(p.Addends()), "the total"
}

// CardSets says how many sets of cards there are.
func CardSets(numbers int) string {
	return fmt.Sprintf("%s small, one large", place.Number(numbers).Words(false))
}

// Minutes says how long a lesson takes.
func Minutes(n int) string { return fmt.Sprintf("about %d minutes", n) }

// MinutesBasis says what the minutes are made of; on paper a swap takes half as
// long.
func (w Words) MinutesBasis(swaps int, onPaper bool) string {
	each := "three quarters"
	if onPaper {
		each = "a good third"
	}
	return fmt.Sprintf("Three to lay out, %s for each %s, one to say it back: %s.", each, w.forms().noun, w.Swaps(swaps))
}

// CardsAlone says why a number is not laid out with pieces.
func (w Words) CardsAlone(n place.Number) string {
	return fmt.Sprintf("There is no piece larger than the thousand cube: %s is worked with cards and the column.", w.Numeral(n))
}

// Boundary names where a knot of an operation lies: what comes up goes from the
// place to the next, what comes down into it.
func (w Words) Boundary(op task.Kind, p place.Place) string {
	next, _ := p.Next()
	switch op {
	case problem.Difference:
		return fmt.Sprintf("%s to %s", w.PlaceMany(next), w.PlaceMany(p))
	case problem.Sharing:
		return fmt.Sprintf("%s to %s", w.PlaceMany(p), w.PlaceMany(p-1))
	}
	return fmt.Sprintf("%s to %s", w.PlaceMany(p), w.PlaceMany(next))
}

// PieceNames lists the pieces of a material, ones first.
func PieceNames(kind material.Kind) string {
	var names []string
	for p := place.Ones; p.HasPiece(); p++ {
		names = append(names, Piece(kind, p, 1))
	}
	return list(names)
}

// Example is what is said at the first step of a kind in 238 + 267, worked by a
// method.
func (w Words) Example(kind trace.StepKind, m trace.Method) string {
	t, err := swap.By(m, problem.SumOf(238, 267))
	if err != nil {
		return ""
	}
	for i, line := range w.Trace(t) {
		if t.Steps[i].Kind == kind {
			return line.String()
		}
	}
	return ""
}
