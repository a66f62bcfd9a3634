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
	stages := []choose.StageID{number.FourKinds, number.QuantityAndCard, number.ZeroInAPlace, number.ExpandedForm, number.Renaming, number.CompareAndOrder, number.FiveAndSix}
	for i, stage := range []string{"four kinds", "quantity and card", "zero in a place", "expanded form", "renaming", "compare and order", "five and six digits"} {
		g.Press("Numbers").Holds("the boards", "document.querySelector('[aria-label=Strand]')").Press("Shelf")
		if i == 0 {
			g.Press("Places").See("Which numbers")
		}
		stageByTouch(g, stage, "Finn O.")
	}
	s.check(g)
	kept := map[choose.StageID]bool{}
	for _, o := range s.keptOf("hanne", "Finn O.") {
		if o.Right() && o.Came == book.Marked {
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
		{"100 ten-of say", "1000", "a 0 too many was put in"},
		{"1000 numeral how-many", "1000", "what the tens are worth was given instead of how many there are"},
		{"305", "35", "a 0 between the digits was left out"},
		{"9357 pieces cards", "7539", "the digits were written in reverse"},
		{"342 numeral expanded", "3+4+2", "the digits were given instead of what they are worth"},
		{"342 numeral how-many", "4", "only the digit of the tens was given"},
		{"2 tens 14 ones", "214", "Undo"},
		{"342 numeral rename 74", "4", "Undo"},
		{"342 324", "<", "Undo"},
		{"342,324 numeral decides", "1", "Undo"},
		{"342 99 324", "99,342,324", "Undo"},
		{"47,25 expanded join", "612", "each column’s whole sum was written"},
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

// A number lies in another way by swaps there and back, each asked first.
func TestANumberIsRenamed(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	s.login(g, "hanne")
	lies := func(tens, ones string) string {
		return fmt.Sprintf("document.querySelector('[aria-label=%q]') && document.querySelector('[aria-label=%q]')", "the number: "+tens, "the number: "+ones)
	}
	alone(g, "34 numeral rename 2", "Finn O.")
	g.See("Two tens and how many ones?").Key(" ", " ").Holds("as usual", lies("3 bars", "4 beads")).Key(" ").See("One ten swaps for ten ones: two tens fourteen ones.").Holds("swapped", lies("2 bars", "14 beads"))
	g.Key(" ").See("Fourteen ones").Reload().Holds("kept", lies("2 bars", "14 beads")).Key(" ").See("three tens four ones.").Holds("and back", lies("3 bars", "4 beads")).Key(" ").See("Two tens fourteen ones are as much as 34.")
	s.check(g)
}

// A child fetches what the card says: the guide enters what lies on the tray, and what is
// missing, too much or in the wrong place is said; nothing is lost by a reload.
func TestATrayIsFetched(t *testing.T) {
	s := open(t)
	g := s.sit(768, 1024)
	s.login(g, "hanne")
	alone(g, "432 cards lay", "Finn O.")
	toHands := func() {
		g.Press("In the child’s hands").Holds("in the hands", "document.querySelectorAll('.fetched .lane').length === 4")
	}
	lay := func(place string, n int) {
		for range n {
			g.Press("One more: " + place)
		}
	}
	toHands()
	g.Press("Look at the tray").See("Nothing lies on the tray yet.")
	lay("hundreds", 2)
	lay("tens", 4)
	lay("ones", 3)
	g.Press("Look at the tray").See("The figures are there, but in other places").See("that is 243")
	g.Reload().Holds("on the mat", "document.querySelector('[data-step] [data-one]')")
	toHands()
	g.Holds("it is kept", "document.querySelector('[aria-label=\"4 tens on the tray\"]')")
	lay("hundreds", 1)
	g.Press("One less: tens").Press("Look at the tray").See("One too many in the ones, and one missing in the hundreds. Does it belong there?")
	lay("hundreds", 1)
	g.Press("One less: ones").Press("Look at the tray").See("Right: four hundreds three tens two ones. That is 432.")
	g.Press("Undo").Holds("what was said is gone", "!document.querySelector('.fetched [role=status]').innerText.trim()").Press("Empty the tray").Holds("empty", "document.querySelector('[aria-label=\"0 hundreds on the tray\"]')").Press("Undo")
	g.Press("Write up who did what").See("Who did what")
	s.check(g)
}

// Which of two is more is recorded by one touch or by its own key, in signs or in the words
// of the class.
func TestWhichIsMoreIsRecorded(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	s.login(g, "hanne")
	alone(g, "342,324 numeral sign", "Finn O.")
	workedToTheEnd(g).Key("1").See("no answer").Press("<").Holds("wrong", "document.querySelector('.answer.wrong')").Press(">").Holds("right", "!document.querySelector('.answer.wrong')").Key("<").Holds("by key", "document.querySelector('.answer.wrong')").Key("2").Holds("the second", "!document.querySelector('.answer.wrong')").Key(" ").See("Finish the lesson").Press("Finish the lesson").See("No lesson in hand")
	s.check(g)
	kept := s.keptOf("hanne", "Finn O.")
	if o := kept["342,324 numeral sign"]; len(kept) != 1 || o.Answer != ">" || !o.Right() || ladder.Credit(o.Task, o.Stage) != number.CompareAndOrder {
		t.Errorf("%+v", kept)
	}
}
