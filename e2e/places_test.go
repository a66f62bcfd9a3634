package e2e_test

import (
	"fmt"
	"testing"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/number"
)

// Each stage of places from its board to the vine, by touch alone: the board, the stage,
// the first question of the hand, gathered, stepped to the end, and right.
func TestPlacesByTouch(t *testing.T) {
	s := open(t)
	g := s.sit(768, 1024)
	s.login(g, "hanne")
	stages := []choose.StageID{number.FourKinds, number.QuantityAndCard, number.ZeroInAPlace, number.ExpandedForm, number.FiveAndSix}
	for i, stage := range []string{"four kinds", "quantity and card", "zero in a place", "expanded form", "five and six digits"} {
		g.Press("Numbers").Holds("the boards", "document.querySelector('[aria-label=Strand]')").Press("Shelf")
		if i == 0 {
			g.Press("Places").See("Which numbers")
		}
		stageByTouch(g, stage, "Finn O.")
	}
	s.check(g)
	seen, err := s.store.Observations(ctx, s.learner("Finn O."))
	if err != nil {
		t.Fatal(err)
	}
	kept := map[choose.StageID]bool{}
	for _, o := range seen {
		if o.RecordedAt.After(s.now) && o.Right() && o.Came == book.Marked {
			kept[ladder.Credit(o.Task, o.Stage)] = true
		}
	}
	for _, stage := range stages {
		if !kept[stage] {
			t.Errorf("no record at %s, only %v", stage, kept)
		}
	}
	g.Press("Class").See("days since last seen").Press("Shelf").Press("place").See("zero in a place").Holds("its vine", "document.querySelector('[role=gridcell][aria-label^=\"Finn O., quantity and card: \"]')")
	s.check(g)
}

// Numbers of one's own by keys alone: laid kind by kind and asked before each step, cards
// apart and slid together, written, and a wrong answer with what it means.
func TestPlacesByKeys(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	s.login(g, "hanne")
	for _, c := range []struct{ asked, answer, means string }{
		{"1000 kinds write", "100", "Undo"},
		{"100 ten-of say", "1000", "a 0 too many was put in"},
		{"1000 numeral how-many", "1000", "what the tens are worth was given instead of how many there are"},
		{"305", "35", "a 0 between the digits was left out"},
		{"9357 pieces cards", "7539", "the digits were written in reverse"},
		{"127 said write", "10027", "the hundreds were written in full, then the rest"},
		{"342 numeral expanded", "3+4+2", "the digits were given instead of what they are worth"},
		{"473906 said cards", "4073906", "a 0 too many was put in"},
		{"307 cards lay", "3007", "a 0 too many was put in"},
		{"4060 drawn write", "460", "a 0 between the digits was left out"},
	} {
		ownByKeys(g, c.asked, "Finn O.", c.answer, c.means)
	}
	s.check(g)
}

// The pieces of a number lie on its tray place by place, asked first; its cards lie apart
// and are slid together, with either material.
func TestANumberIsLaid(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	s.login(g, "hanne")
	alone(g, "305", "Finn O.")
	cards := func(how string) string {
		return fmt.Sprintf("document.querySelector('.rim [role=img][aria-label=%q]')", how)
	}
	g.Press("Ask first").Key(" ").See("How many, and of what kind?").Key(" ").Holds("three squares", "document.querySelector('[aria-label=\"the number: 3 squares\"]')").Press("Show at once").LetGo()
	g.Key(" ").See("No tens: nothing of that kind lies there.").Key(" ").See("Five ones").Holds("five beads", "document.querySelector('[aria-label=\"the number: 5 beads\"]')")
	g.Key(" ").See("300 and 5: a card for each kind, none for the tens.").Holds("apart", cards("cards 300 + 5")).Key(" ").See("The 0 says that there are no tens.").Holds("together", cards("cards 300, 5"))
	g.Press("blocks").Holds("three flats", "document.querySelector('[aria-label=\"the number: 3 flats\"]')").Reload().Holds("kept", at("write/1")).Holds("in blocks", "document.querySelector('[aria-label=\"the number: 3 flats\"]')")
	s.check(g)
}
