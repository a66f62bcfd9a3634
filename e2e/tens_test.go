package e2e_test

import (
	"fmt"
	"strings"
	"testing"

	"github.com/chromedp/chromedp/kb"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/number"
	"vineswap/e2e/guide"
)

// aChild is of the Seed room, whose children count, fill a ten and write teens.
const aChild = "Aino B."

// keptOf are the records of a child since the demo was loaded, by what was asked.
func (s school) keptOf(child string) map[string]book.Observation {
	s.Helper()
	seen, err := s.store.Observations(ctx, s.learnerOf("nela", child))
	if err != nil {
		s.Fatal(err)
	}
	out := map[string]book.Observation{}
	for _, o := range seen {
		if o.RecordedAt.After(s.now) {
			out[o.Task.String()] = o.Observation
		}
	}
	return out
}

// Every stage of tens from its board to the vine, by touch alone: the board, the stage, the
// first question of the hand, gathered, stepped to the end, and right.
func TestTensByTouch(t *testing.T) {
	s := open(t)
	g := s.sit(1024, 768)
	s.login(g, "nela")
	for i, stage := range []string{"one by one", "a full ten", "ten and ones", "writing teens", "counting on from ten", "whole tens", "tens and ones"} {
		g.Press("Numbers").Holds("the boards", "document.querySelector('[aria-label=Strand]')")
		if i == 0 {
			g.Press("Tens").See("Which numbers")
		}
		g.Press(stage).Holds(stage, fmt.Sprintf("[...document.querySelectorAll('.stage[aria-checked=true]')].some((b) => b.innerText.startsWith(%q)) && document.querySelector('[data-hand] [aria-checked=true]')", stage)).Settle()
		g.Press("Gather").See("Who comes?").Press(aChild).See("1"+aChild).Press("To the mat").Holds("on the mat", "document.querySelector('[data-step] [data-one]')")
		for range 40 {
			if atTheEnd(g) {
				break
			}
			step := guide.Read[string](g, "document.querySelector('[data-step]')?.dataset.step ?? ''")
			g.Holds("the next step is touched", "(document.querySelector('[data-next]').click(), true)").Holds("a step on", fmt.Sprintf("document.querySelector('[data-step]')?.dataset.step !== %q", step))
		}
		g.Press("Write up who did what").See("Who did what").Press(aChild + " right").See("Undo").Press("Finish the lesson").See("No lesson in hand")
	}
	s.check(g)
	stages := map[choose.StageID]bool{}
	for text, o := range s.keptOf(aChild) {
		if !o.Right() || ladder.Credit(o.Task, o.Stage) != o.Stage || o.Came != book.Marked {
			t.Errorf("%s: %+v", text, o)
		}
		stages[o.Stage] = true
	}
	if len(stages) != len(number.Stages()) {
		t.Errorf("records at %v", stages)
	}
	g.Press("Class").Press("tens and ones").See("one by one").Holds("its vine", fmt.Sprintf("document.querySelector('[role=gridcell][aria-label^=\"%s, ten and ones: \"]')", aChild))
	s.check(g)
}

// Numbers of one's own in every other way of showing them, by keys alone: typed, gathered,
// stepped there and back, asked first, and a wrong answer written with what it means.
func TestTensByKeys(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	s.login(g, "nela")
	for _, c := range []struct{ asked, answer, means string }{
		{"45 sticks count-back", "8", "one too many or too few was counted"},
		{"14 covered count-on", "13", "the first single one was called ten again"},
		{"70 drawn how-many", "70", "what the tens are worth was given instead of how many there are"},
		{"fourteen", "40", "took -ty for -teen"},
		{"47 numeral draw", "74", "the digits were written in reverse"},
	} {
		g.Press("Numbers").Holds("the field", "document.querySelector('#own')").TabTo("Numbers of your own").Key(c.asked, kb.Enter)
		g.Holds("looked", "document.querySelector('[data-live]').innerText.includes(': ') && document.querySelector('.book .paper .digits, .book .digits')").LetGo().Key(" ").See("Who comes?").Holds("gathered", "document.querySelector('.gather .asked')")
		g.TabTo(aChild).Key(" ").See("1"+aChild).LetGo().Key(" ").Holds("on the mat", "document.querySelector('[data-step] [data-one]')")
		first := guide.Read[string](g, "document.querySelector('[data-step]').dataset.step")
		g.Key(" ").Holds("a step on", fmt.Sprintf("document.querySelector('[data-step]').dataset.step !== %q", first)).Key(kb.Backspace).Holds("and back", at(first))
		for range 40 {
			if atTheEnd(g) {
				break
			}
			step := guide.Read[string](g, "document.querySelector('[data-step]')?.dataset.step ?? ''")
			g.Key(" ").Holds("a step on", fmt.Sprintf("document.querySelector('[data-step]')?.dataset.step !== %q", step))
		}
		g.Key(" ").See("Who did what").Key("1").See("no answer").Key(strings.Split(c.answer, "")...).Key(" ").See(c.means[1:]).Key(" ").See("No lesson in hand")
	}
	s.check(g)
	if kept := s.keptOf(aChild); len(kept) != 5 {
		t.Errorf("%d records", len(kept))
	}
}

// A child rings a crowd itself: each thing is marked once, nine and eleven are noticed, ten
// become a ring, and a reload loses none of it.
func TestACrowdInTheChildsHands(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	s.login(g, "nela")
	alone(g, "23 crowd ring 4", aChild)
	g.Press("In the child’s hands").Holds("in the hands", "document.querySelectorAll('.ringed [role=checkbox]').length === 23")
	touch := func(from, to int) {
		for i := from; i <= to; i++ {
			g.Press(fmt.Sprintf("thing %d", i))
		}
	}
	touch(1, 9)
	g.Press("thing 9").Press("Close the ring").See("Nine in the ring. One more to make ten.").Holds("no ring yet", "document.querySelector('[data-rings=\"0\"]')")
	touch(10, 11)
	g.Press("Close the ring").See("Eleven in the ring. That is one too many for a ten.").Press("Rub out").Press("Close the ring").See("Ten are in the ring: 10 is written.").Holds("a ring", "document.querySelector('[data-rings=\"1\"]')")
	touch(12, 13)
	g.Reload().Holds("on the mat", "document.querySelector('[data-step] [data-one]')").Press("In the child’s hands").Holds("all is there", "document.querySelector('[data-rings=\"1\"]') && document.querySelectorAll('[role=checkbox][aria-checked=true]').length === 12")
	s.check(g)
}

// A handful is counted again and faster: each count is kept, is there after a reload, and
// goes into the child's file.
func TestAHandfulAgainAndFaster(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	s.login(g, "nela")
	alone(g, "17 handful write 3", aChild)
	g.Key(" ").See("About how many").Press(aChild+" …").Write(aChild+" says about", "20").Press("Lock it").See("20")
	g.Press("Time the count").See("Stop: ").Press("Stop: ").See("Count again").Press("Count again").See("Stop: ").Press("Stop: ").Holds("two counts", "document.querySelectorAll('[aria-label=\"Seconds of each count\"] li').length === 2")
	g.Reload().Holds("they are kept", "document.querySelectorAll('[aria-label=\"Seconds of each count\"] li').length === 2")
	s.check(g)
	if got, err := s.store.CountsOf(ctx, s.learnerOf("nela", aChild)); err != nil || len(got) != 2 || got[0].Seconds < 1 {
		t.Errorf("%+v, %v", got, err)
	}
}

// What cannot be asked is said beside the field, and nothing that was typed is lost.
func TestWhatCannotBeAsked(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	s.login(g, "nela").Press("Numbers").Holds("the boards", "document.querySelector('#own')").Press("Tens").See("Which numbers")
	for typed, says := range map[string]string{"fifteeen": "is \"fifteen\" meant", "0 crowd ring": "there must be something to count", "10000 crowd ring": "0 to 100", "31 frames say": "three ten frames hold at most 30", "17 + ": "This cannot be worked yet"} {
		g.Write("Numbers of your own", typed).Press("Look").Holds(typed, fmt.Sprintf("document.querySelector('#own-wrong')?.innerText.toLowerCase().includes(%q)", strings.ToLower(says))).Holds("typed text stays", fmt.Sprintf("document.getElementById('own').value === %q", typed))
	}
	// The last way of a row cannot be taken away, and one that nothing suits says so.
	g.Press("counting on from ten").Holds("one way", "document.querySelector('[data-fits]')").Settle()
	g.Press("covered ten").Holds("it stays", "[...document.querySelectorAll('[aria-pressed=true]')].some((b) => b.innerText === 'covered ten')")
	s.check(g)
}
