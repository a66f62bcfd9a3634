package e2e_test

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"github.com/chromedp/chromedp/kb"

	"vineswap/core/book"
	"vineswap/core/chain"
	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/number"
	"vineswap/core/slip"
	"vineswap/core/snake"
	"vineswap/e2e/guide"
)

// barsLie waits for what is laid with bars.
const barsLie = "document.querySelector('[data-step] :is([data-snake], [data-chain], [data-rods])')"

// laidBy takes bars of one's own from a board to the mat with children.
func laidBy(g *guide.Guide, board, text string, children ...string) *guide.Guide {
	g.Press("Numbers").Holds("the boards", "document.querySelector('[aria-label=Strand]')").Press(board).Holds("some to choose from", "document.querySelector('[data-hand] [role=radio]')").Settle()
	label := "Numbers of your own"
	if board == "Snakes" {
		label = "Bars of your own"
	}
	g.Write(label, text).Press("Look").Holds("looked", fmt.Sprintf("document.querySelector('[data-live]').innerText.startsWith(%q)", text)).Press("Gather").See("Who comes?")
	for _, name := range children {
		g.Press(name)
	}
	return g.Press("To the mat").Holds("on the mat", barsLie)
}

// A second snake from its choice to the vine, by touch: planned with a remainder that must come
// up, counted ten for ten, a slip that was seen recorded by touch; the child's book says what.
func TestASecondSnakeWithASlip(t *testing.T) {
	s := open(t)
	g := s.sitMoving(laptopWidth, laptopHeight)
	s.login(g, "nela").Press("Numbers").Holds("the boards", "document.querySelector('[aria-label=Strand]')").Press("Snakes").See("bars in a snake").Press("second snake").Holds("at least once", "document.querySelector('[role=radio][aria-checked=true]')?.innerText && [...document.querySelectorAll('[role=radio][aria-checked=true]')].some((e) => e.innerText.startsWith('at least once'))").Settle()
	before := guide.Read[string](g, "document.querySelector('[data-fits]').dataset.fits")
	g.Press("4 left").Holds("fewer fit", fmt.Sprintf("document.querySelector('[data-fits]').dataset.fits !== %q", before)).See("Never is 0: a ten must leave 4.").Press("one bar fewer").Holds("six bars", "document.querySelector('[data-bars=\"6\"]')").Settle()
	bars := s.chosenSnake(g)
	g.Press("Gather").See("Who comes?").Press(aChild).Press("To the mat").Holds("on the mat", barsLie)
	stepsTo(g, "document.querySelector('[data-snake=same]')")
	if lies := guide.Read[string](g, "document.querySelector('[data-golden]').dataset.golden"); lies != fmt.Sprint(bars.Golden()) {
		t.Errorf("%v has %s golden bars", bars, lies)
	}
	if !slices.Contains(bars.Remainders(), 4) || len(bars.Bars) != 6 {
		t.Errorf("planned was %v", bars)
	}
	written(g).Key("1").Press("remainder miscounted").See("What was left of a bar was miscounted").Press("Save").See("Undo").Press("Finish the lesson").See("No lesson in hand")
	s.check(g)
	kept := s.keptOf("nela", aChild)[bars.String()]
	if kept.Right() || kept.Answer != fmt.Sprintf("%d, remainder miscounted", bars.Total()) || kept.Stage != snake.Second && ladder.Credit(kept.Task, kept.Stage) != snake.Second || !slices.Equal(kept.Task.Explains(kept.Answer), []slip.ID{slip.RemainderMiscounted}) {
		t.Errorf("kept is %+v", kept)
	}
	g.Press("Class").Press("addition").See("second snake").Press(aChild + ", 0 days").See("Records, newest first").See("remainder miscounted")
	s.check(g)
}

// chosenSnake is the snake that is picked in the hand.
func (s school) chosenSnake(g *guide.Guide) snake.Snake {
	s.Helper()
	named, _, _ := strings.Cut(guide.Read[string](g, chosenName), ", ")
	found, err := snake.Parse(named)
	if err != nil {
		s.Fatal(err)
	}
	return found
}

const chosenName = "document.querySelector('[data-hand] [aria-checked=true]').getAttribute('aria-label')"

// A first snake by keys alone: more bars, another draw, gathered, counted, back a step, numbers
// hidden and shown, and right.
func TestASnakeByKeys(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	s.login(g, "nela").Press("Numbers").Holds("the boards", "document.querySelector('[aria-label=Strand]')").TabTo("Adding").Key(kb.ArrowLeft)
	g.See("bars in a snake").LetGo().Key("-").Holds("a bar fewer", "document.querySelector('[data-bars=\"6\"]')").Settle()
	first := guide.Read[string](g, chosenName)
	g.Key("d").Holds("others", fmt.Sprintf(chosenName+" !== %q", first)).Settle()
	bars := s.chosenSnake(g)
	g.Key(" ").See("Who comes?").TabTo(aChild).Key(" ").See("1"+aChild).LetGo().Key(" ").Holds("on the mat", barsLie)
	g.Key(" ", " ").Holds("counted one", "document.querySelectorAll('.digit').length === 1").Key("n").Holds("hidden", "document.querySelectorAll('.digit').length === 0").Key("n", kb.Backspace, " ", " ").Holds("counted two", "document.querySelectorAll('.digit').length === 2")
	stepsTo(g, theEnd)
	g.Key(" ").See("Who did what").Key("y").See("Undo").Key(" ").See("No lesson in hand")
	s.check(g)
	if kept := s.keptOf("nela", aChild)[bars.String()]; !kept.Right() || ladder.Credit(kept.Task, kept.Stage) != snake.First || kept.Manner != book.Pieces {
		t.Errorf("%v is kept as %+v", bars, kept)
	}
}

// Chains and number rods from their boards to the vine: a chain is counted and folded, bars are
// counted off in a number, two rods lie beside a third; each counts for its stage.
func TestChainsAndRods(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	s.login(g, "nela")
	for _, c := range []struct {
		board, text, end string
		stage            choose.StageID
	}{
		{"Chains", "chain 3", "the square of three", chain.Stage},
		{"Chains", "4s in 28", "seven fours in 28", chain.Stage},
		{"Chains", "chain 2 to 8", "the cube of two", chain.Stage},
		{"Rods", "rods 5 and 4", "together are as long as nine", choose.WithinTen},
		{"Rods", "rods 7 to 10", "together are as long as ten", number.FullTen},
		{"Rods", "rods to 5", "each one is longer by one", number.OneByOne},
	} {
		laidBy(g, c.board, c.text, aChild)
		stepsTo(g, theEnd)
		written(g.See(c.end)).Press(aChild + " right").See("Undo").Press("Finish the lesson").See("No lesson in hand")
		if kept, there := s.keptOf("nela", aChild)[c.text]; !there || !kept.Right() || ladder.Credit(kept.Task, kept.Stage) != c.stage {
			t.Errorf("%s is kept as %+v", c.text, kept)
		}
	}
	s.check(g)
	g.Press("Class").Press("multiplication and division").See("chains").Holds("its vine", fmt.Sprintf("document.querySelector('[role=gridcell][aria-label^=\"%s, chains: \"]')", aChild))
	s.check(g)
}

// Bars that there are not, and stairs that the class does not own, are said beside the field; what
// was chosen stays.
func TestBarsThatAreNotThere(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	s.login(g, "nela").Press("Numbers").Holds("the boards", "document.querySelector('[aria-label=Strand]')").Press("Snakes").See("bars in a snake").Settle()
	picked := guide.Read[string](g, chosenName)
	for text, says := range map[string]string{"8,12": "the nearest is 9", "8,8,8": "your stairs have 2 of them", "8,0": "the nearest is 1", "chain 11": "the nearest is of 10", "4s in 30": "the nearest ends at", "rods 7 and 5": "the nearest is 10", "1" + strings.Repeat(",1", 39): "1 to 39 bars"} {
		g.Write("Bars of your own", text).Press("Look").See(says)
	}
	g.Holds("what was chosen stays", fmt.Sprintf(chosenName+" === %q", picked))
	g.Press("Seed room").See("Bead stairs that we own").Holds("no stairs", "(document.querySelector('input[name=stairs][value=\"0\"]').click(), true)").Settle().Press("Numbers").See("a snake is laid from at least one stair").Press("To the settings").See("Bead stairs that we own")
	s.check(g)
}

// theEnd is the last step on the mat.
const theEnd = "document.querySelector('[data-last]')"

// stepsTo goes on step by step until something holds.
func stepsTo(g *guide.Guide, there string) *guide.Guide {
	for range 120 {
		if g.Err() != nil || guide.Read[bool](g, "!!"+there) {
			break
		}
		step := guide.Read[string](g, "document.querySelector('[data-step]')?.dataset.step ?? ''")
		g.Key(" ").Holds("a step on", fmt.Sprintf("document.querySelector('[data-step]')?.dataset.step !== %q", step))
	}
	return g.Holds("it is there", there)
}

// written goes from the last step to who did what, once the foot of the book leads there.
func written(g *guide.Guide) *guide.Guide {
	return g.Holds("the foot", "document.querySelector('[data-next]')?.innerText.startsWith('Write up who did what')").Settle().Press("Write up who did what").See("Who did what")
}

// bars looks at what is laid with bars of beads and number rods: chosen, gathered, in the middle
// of the work, at its check, and written up.
func bars(s school, g *guide.Guide, look func(name string)) {
	s.login(g, "hanne").Press("Numbers").See("Twelve of them").Press("Snakes").See("bars in a snake").Press("second snake").Settle().Press("4 left").See("Never is 0").Settle()
	look("Numbers, snakes")
	laidBy(g, "Snakes", "5,2,8,8,5,6,3,9,4,7", "Suvi T.", "Rafi N.")
	stepsTo(g, "document.querySelector('[data-snake=aside][data-aside=\"6\"]')").Settle()
	look("Mat, a snake at a ten")
	stepsTo(g, "document.querySelector('[data-snake=pair]')").Key(" ").See("as long as a golden ten").Settle()
	look("Mat, a snake at its check")
	g.Press("Write up who did what").See("Who did what").Key("1").Press("golden bar forgotten").See("A golden bar was forgotten").Settle()
	look("Record, a snake with a slip")
	g.Press("Numbers").Holds("the boards", "document.querySelector('[aria-label=Strand]')").Press("Chains").See("Counted from").Settle()
	look("Numbers, chains")
	laidBy(g, "Chains", "chain 7", "Pia L.", "Finn O.").Key(" ", " ", " ", " ").Holds("four tags", "document.querySelector('[data-tagged=\"4\"]')").Settle()
	look("Mat, a chain with its tags")
	g.Key(" ", " ", " ", " ", " ", " ", " ", " ").See("lie side by side").Settle()
	look("Mat, a chain that is folded")
	laidBy(g, "Chains", "4s in 28", "Pia L.").Key(" ", " ", " ", " ", " ").See("Five fours").Settle()
	look("Mat, how many in a number")
	laidBy(g, "Rods", "rods 5 and 4", "Hugo M.").Key(" ", " ", " ", " ").See("together are as long as").Settle()
	look("Mat, number rods")
	laidBy(g, "Rods", "rods to 10", "Hugo M.").Key(" ", " ", " ", " ").Settle()
	look("Mat, number rods in order")
	g.Press("Numbers").Holds("the boards", "document.querySelector('[aria-label=Strand]')").Press("Rods").See("The long one").Settle()
	look("Numbers, rods")
}
