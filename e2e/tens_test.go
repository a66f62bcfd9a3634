package e2e_test

import (
	"fmt"
	"strings"
	"testing"

	"github.com/chromedp/chromedp/kb"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/e2e/guide"
)

// aChild is of the Seed room, whose children count, fill a ten and write teens.
const aChild = "Aino B."

// keptOf are the records of a child of a lead's class since the demo was loaded, by what was
// asked.
func (s school) keptOf(lead, child string) map[string]book.Observation {
	s.Helper()
	seen, err := s.store.Observations(ctx, s.learnerOf(lead, child))
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
		stageByTouch(g, stage, aChild)
	}
	s.check(g)
	stages := map[choose.StageID]bool{}
	for text, o := range s.keptOf("nela", aChild) {
		if !o.Right() || ladder.Credit(o.Task, o.Stage) != o.Stage || o.Came != book.Marked {
			t.Errorf("%s: %+v", text, o)
		}
		stages[o.Stage] = true
	}
	if len(stages) != len(ladder.Stages(ladder.Tens)) {
		t.Errorf("records at %v", stages)
	}
	g.Press("Class").Press("tens and ones").See("one by one").Holds("its vine", fmt.Sprintf("document.querySelector('[role=gridcell][aria-label^=\"%s, ten and ones: \"]')", aChild))
	s.check(g)
}

// stageByTouch takes the first question of a stage from Numbers to the record of a child,
// each step by touch, and right.
func stageByTouch(g *guide.Guide, stage, child string) {
	g.Press(stage).Holds(stage, fmt.Sprintf("[...document.querySelectorAll('.stage[aria-checked=true]')].some((b) => b.innerText.startsWith(%q)) && document.querySelector('[data-hand] [aria-checked=true]')", stage)).Settle()
	g.Press("Gather").See("Who comes?").Press(child).See("1"+child).Press("To the mat").Holds("on the mat", "document.querySelector('[data-step] [data-one]')")
	for range 40 {
		if atTheEnd(g) {
			break
		}
		step := guide.Read[string](g, "document.querySelector('[data-step]')?.dataset.step ?? ''")
		g.Holds("the next step is touched", "(document.querySelector('[data-next]').click(), true)").Holds("a step on", fmt.Sprintf("document.querySelector('[data-step]')?.dataset.step !== %q", step))
	}
	g.Press("Write up who did what").See("Who did what").Press(child + " right").See("Undo").Press("Finish the lesson").See("No lesson in hand")
}

// ownByKeys types a number of one's own, takes it to the mat with a child, a step there and
// back, to its end, and writes a wrong answer, whose meaning is seen.
func ownByKeys(g *guide.Guide, asked, child, answer, means string) {
	g.Press("Numbers").Holds("the field", "document.querySelector('#own')").Settle().TabTo("Numbers of your own").Key(asked, kb.Enter)
	g.Holds("looked", "document.querySelector('[data-live]').innerText.includes(': ') && document.querySelector('.book .paper .digits, .book .digits')").LetGo().Key(" ").See("Who comes?").Holds("gathered", "document.querySelector('.gather .asked')")
	g.TabTo(child).Key(" ").See("1"+child).LetGo().Key(" ").Holds("on the mat", "document.querySelector('[data-step] [data-one]')")
	first := guide.Read[string](g, "document.querySelector('[data-step]').dataset.step")
	g.Key(" ").Holds("a step on", fmt.Sprintf("document.querySelector('[data-step]').dataset.step !== %q", first)).Key(kb.Backspace).Holds("and back", at(first))
	workedToTheEnd(g).Key("1").See("no answer").Key(strings.Split(answer, "")...).Key(" ").See(means[1:]).Key(" ").See("No lesson in hand") // a sentence begins large
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
		ownByKeys(g, c.asked, aChild, c.answer, c.means)
	}
	s.check(g)
	if kept := s.keptOf("nela", aChild); len(kept) != 5 {
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

// A child lays the 45 sticks itself: nothing goes into the 0, a miscount shows in the last
// box, each box can be counted, a reload loses none of it, and its number is written up.
func TestSticksInTheChildsHands(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	s.login(g, "nela")
	alone(g, "45 sticks count-back", aChild)
	toHands := func() {
		g.Press("In the child’s hands").Holds("in the hands", "document.querySelectorAll('.sorted [role=button]').length === 10")
	}
	box := func(k, n int) string {
		return fmt.Sprintf("document.querySelector('[aria-label^=\"%d: %d stick\"]')", k, n)
	}
	dashed := func(n int) string { return fmt.Sprintf("document.querySelectorAll('.missing').length === %d", n) }
	toHands()
	g.Press("0: ").See("Nothing belongs in the 0: zero is nothing.").Holds("all in the heap", "document.querySelector('[aria-label=\"the heap: 45 sticks\"]')")
	g.Press("1: ").Press("2: ").Press("2: ").Holds("3 to 7", layScript(3, 4, 5, 6, 7))
	for range 9 { // counted one too many
		g.Press("8: ")
	}
	g.Reload().Holds("on the mat", "document.querySelector('[data-step] [data-one]')")
	toHands()
	g.Holds("nine in the 8", box(8, 9)).Press("Look at the 9").See("Eight sticks are in the heap.").Holds("no more is marked", dashed(0))
	g.HoldDown(' ', 1) // nothing has the focus that could lay one
	g.See("Who did what").Press("Mat")
	toHands()
	// By keys: a held key lays one stick.
	g.TabTo("1: 1 stick").Key(kb.ArrowLeft, kb.ArrowLeft).HoldDown(' ', 30).Holds("one", box(9, 1)).Key(" ", " ", " ", " ", " ", " ", " ").Holds("eight", box(9, 8)).Key(" ").Holds("the heap is empty", box(9, 8))
	g.Press("Look at the 9").See("Eight in the nine. Where is the other?").Holds("one is missing", dashed(1))
	g.Press("Count each box").Holds("two are wrong", "[...document.querySelectorAll('.count.wrong')].map((c) => c.textContent).join() === '9,8'")
	g.Press("Take one out").Press("8: ").Holds("eight", box(8, 8)).Press("Undo").Holds("nine again", box(8, 9)).Press("8: ").Press("Put one in").Press("9: ").Press("Look at the 9").See("Nine in the nine. Every stick has its place.").Holds("nothing is missing", dashed(0))
	g.Press("All to the heap").Holds("all", "document.querySelector('[aria-label=\"the heap: 45 sticks\"]')").Press("Undo").Holds("all laid", box(9, 9))
	g.Press("Write up who did what").See("Who did what").LetGo().Key("1").See("no answer").Key("8", " ").See("One too many or too few was counted").Key(" ").See("No lesson in hand")
	s.check(g)
	if kept := s.keptOf("nela", aChild); len(kept) != 1 {
		t.Errorf("%+v", kept)
	}
}

// layScript touches the boxes with these numbers, each as often as its number says.
func layScript(boxes ...int) string {
	return fmt.Sprintf("(() => { for (const k of %s) for (let i = 0; i < k; i++) document.querySelectorAll('.sorted [role=button]')[k].dispatchEvent(new MouseEvent('click', { bubbles: true })); return true })()", strings.ReplaceAll(fmt.Sprint(boxes), " ", ","))
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
	for typed, says := range map[string]string{"fifteeen": "is \"fifteen\" meant", "0 crowd ring": "there must be something to count", "10000 crowd ring": "a crowd has 1 to 100 things", "1000000": "at most 6 digits", "31 frames say": "three ten frames hold at most 30", "17 + ": "This cannot be worked yet"} {
		g.Write("Numbers of your own", typed).Press("Look").Holds(typed, fmt.Sprintf("document.querySelector('#own-wrong')?.innerText.toLowerCase().includes(%q)", strings.ToLower(says))).Holds("typed text stays", fmt.Sprintf("document.getElementById('own').value === %q", typed))
	}
	// The last way of a row cannot be taken away, and one that nothing suits says so.
	g.Press("counting on from ten").Holds("one way", "document.querySelector('[data-fits]')").Settle()
	g.Press("covered ten").Holds("it stays", "[...document.querySelectorAll('[aria-pressed=true]')].some((b) => b.innerText === 'covered ten')")
	s.check(g)
}
