package e2e_test

import (
	"context"
	"errors"
	"fmt"
	"strings"
	"testing"

	"github.com/chromedp/chromedp/kb"

	"vineswap/core/book"
	"vineswap/core/lesson"
	"vineswap/core/material"
	"vineswap/core/place"
	"vineswap/e2e/guide"
	"vineswap/pgtest"
	"vineswap/store"
)

const laptopWidth, laptopHeight = 1280, 800

// at is the step that the mat shows.
func at(step string) string {
	return fmt.Sprintf("document.querySelector('[data-step]')?.dataset.step === %q", step)
}

// fits is the count on the strip.
func fits(n string) string {
	return fmt.Sprintf("document.querySelector('[data-fits]')?.dataset.fits === %q", n)
}

// From the log-in to the said-back sum, by touch.
func TestALessonByTouch(t *testing.T) {
	s := open(t)
	g := s.sitMoving(laptopWidth, laptopHeight)
	s.login(g, "hanne").See("No lesson in hand").See("22 children").Press("Numbers")

	// Numbers: a stage, a longer number, a knot tied, zeros, another hand.
	g.See("Twelve of them").Holds("the first stage", fits("1260"))
	g.Press("several swaps").Holds("three places", "document.getElementById('knot-hundreds')")
	g.Press("Number 1: more digits").Press("Number 2: more digits").Holds("four places", fits("11502000"))
	g.Press("tens to hundreds").Press("no swap 2,551,500").Holds("the knot is tied", fits("2551500"))
	g.Press("always").Holds("a zero must stand", "document.querySelector('[data-fits]').dataset.fits !== '2551500'")
	first := guide.Read[string](g, "document.querySelector('[data-hand]').innerText")
	g.Press("Draw twelve more").Holds("another hand", fmt.Sprintf("document.querySelector('[data-hand]').innerText !== %q", first))
	for _, hand := range guide.Read[[]string](g, "[...document.querySelectorAll('[data-hand] button')].map((b) => b.getAttribute('aria-label'))") {
		var a, b place.Number
		if _, err := fmt.Sscanf(hand, "%d+%d, two swaps", &a, &b); err != nil {
			t.Errorf("%q does not cause two swaps: %v", hand, err)
		}
	}

	// What cannot be together is said, and mended in one touch.
	g.Press("one swap, ones").Press("tens to hundreds").Press("a swap 0").See("there cannot be a swap in the tens").Press("Leave the tens open").See("Twelve of them")

	// Numbers of one's own: wrong beside its cause, too large, then right.
	g.Write("Numbers of your own", "5o3+12").Press("Look").See("A number is written with the digits 0 to 9").Holds("typed text stays", "document.getElementById('own').value === '5o3+12'")
	g.Write("Numbers of your own", "9000+1000").Press("Look").See("no piece larger than the thousand cube: 10000 is worked with cards and the column")
	g.Write("Numbers of your own", "1458+2367").Press("Look").See("15 ones: ten swap for one ten, 5 stay.").Press("Gather")

	// Gather: pieces most pieces at once, children, the mat turned.
	g.See("On the mat, most pieces at once").See("5 + 6 + 1 from the bank").See("The thousand cube is heavy").See("about 6 minutes")
	g.Press("Wren A.").Holds("the first seat", "document.querySelector('.names [aria-pressed=true]')").Press("Jory P.").See("2Jory P.").Press("done")
	g.See("builds 1458, works the ones and the hundreds").Press("Turn to the children").See("Turn to you").Press("3 cubes")
	g.Settle()
	if kept := s.kept(g); len(kept.Seated) != 2 || kept.Seated[1].Name != "Jory P." || kept.Stand != lesson.Gathering {
		t.Errorf("gathered with %v, %s", kept.Seated, kept.Stand)
	}

	// The mat, forwards and back, with beads and with blocks.
	g.Press("To the mat").See("About how much").Press("Lay out").See("Three trays").Press("Build 1458").See("one thousand, four hundreds, five tens and eight ones").See("Wren A. has the turn")
	g.Press("Label the tray").Press("Build 2367").See("Jory P. has the turn").Press("Label the tray").Holds("watch", watch).Press("Push together")
	g.Holds("the pieces travel", "window.travelled >= 30")
	g.Holds("one pile of ones", "document.querySelector('[aria-label=\"pushed together: 15 beads\"]')")
	g.Press("Count the ones").Press("Gather ten ones").See("one is out").Press("Swap for one ten").See("It joins the tens").See("ten came back")
	g.Holds("twelve bars", "document.querySelector('[aria-label=\"pushed together: 12 bars\"]')")
	g.Press("blocks").Holds("twelve sticks", "document.querySelector('[aria-label=\"pushed together: 12 sticks\"]')")
	g.Press("Back").Holds("back before the swap", at("work/ones/1")).Holds("eleven sticks", "document.querySelector('[aria-label=\"pushed together: 11 sticks\"]')")
	g.Press("Swap for one ten").Press("Lay the card 5").Press("Count the tens").See("Jory P. has the turn").Settle()

	// A reload resumes at the same step.
	g.Reload().Holds("the same step", at("work/tens/0")).Holds("in blocks", "document.querySelector('[aria-label=\"pushed together: 12 sticks\"]')")
	for _, do := range []string{"Gather ten tens", "Swap for one hundred", "Lay the card 20", "Count the hundreds", "Lay the card 800", "Count the thousands", "Lay the card 3000", "Slide the cards together", "Read the number"} {
		g.Press(do)
	}
	g.See("Three thousand eight hundred twenty-five.").Press("Say it back").See("1458 and 2367 were joined. Together they are 3825.")
	g.Press("Put it in a sentence").See("“Together there are 3825 ….”").Press("Count the pieces").See("36 pieces were joined. Two swaps leave 18 fewer. So 18 pieces must lie here now.")
	g.Press("Check another way").See("Take 2367 away from 3825 again: 1458 must be left.")
	g.Holds("the column is written", "document.querySelector('[aria-label=\"Column: 1458 plus 2367, written so far 3825\"]')").Settle()
	s.check(g)
	kept := s.kept(g)
	if kept.At.String() != "check/1" || kept.Material != material.Blocks || kept.Stand != lesson.OnTheMat || kept.Current().Task.String() != "1458+2367" {
		t.Errorf("kept %+v", kept)
	}
	g.Press("Write up who did what").See("as seen on the mat").Press("Wren A. right, 3825").Press("Jory P. right, 3825").Press("Finish the lesson").See("No lesson in hand")
	s.check(g)
	if seen, err := s.store.LessonObservations(context.Background(), kept.ID); err != nil || len(seen) != 2 || seen[0].Came != book.Marked || !seen[1].Right() {
		t.Errorf("recorded %+v, %v", seen, err)
	}
	if ended := s.keptAs(kept.ID); ended.Stand != lesson.Ended {
		t.Errorf("finished and still %s", ended.Stand)
	}
	account, class := s.lead()
	if _, err := s.store.LessonInHand(context.Background(), account.ID, class); !errors.Is(err, store.ErrNone) {
		t.Errorf("something is in hand: %v", err)
	}
}

// The same, with no touch at all.
func TestALessonByKeysAlone(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	g.Open(s.url).See("Log in").TabTo("Email").Key("hanne@vineswap.test").TabTo("Password").Key(demoPassword, kb.Enter).See("No lesson in hand")
	g.Key(" ").See("Twelve of them")
	g.TabTo("one swap, ones").Key(kb.ArrowUp).Holds("no-swap", fits("1980"))
	g.TabTo("ones to tens").Key(kb.ArrowLeft).Holds("along the knots", "document.activeElement.id === 'knot-tens'")
	g.TabTo("a swap").Key(" ").See("there cannot be a swap in the tens").TabTo("Leave the tens open").Key(kb.Enter).See("Twelve of them")
	picked := "document.querySelector('[data-hand] [aria-checked=true]').getAttribute('aria-label')"
	before := guide.Read[string](g, picked)
	g.TabTo(before).Key(kb.ArrowRight).Holds("the next sum", fmt.Sprintf("%s !== %q && document.activeElement.getAttribute('aria-checked') === 'true'", picked, before))
	g.TabTo("Numbers of your own").Key("47+25", kb.Enter).See("12 ones: ten swap").LetGo().Key(" ").See("On the mat, most pieces at once")
	g.TabTo("Ada W.").Key(" ").See("1Ada W.").LetGo().Key(" ").See("About how much").Key(" ").See("Three trays")
	g.Key("?").See("Keys on this page").Key(kb.Escape).Holds("closed", "!document.querySelector('dialog[open]')").LetGo()
	for i, want := range []string{"lay-out/1", "lay-out/2", "lay-out/3", "lay-out/4", "join/0", "work/ones/0", "work/ones/1", "work/ones/2"} {
		g.Key(" ").Holds(fmt.Sprintf("step %d", i+1), at(want))
	}
	g.Key(kb.Backspace, kb.Backspace).Holds("two back", at("work/ones/0"))
	g.Key("m").Holds("blocks by a key", "document.querySelector('[aria-label=\"pushed together: 12 small cubes\"]')")
	g.Holds("each step is announced", "document.querySelector('[data-live]').innerText.includes('Seven ones plus five ones')")

	// On a control, space is the control's own.
	g.TabTo("beads").Key(" ").Holds("beads again", "document.querySelector('[aria-label=\"pushed together: 12 beads\"]')").Holds("and no step", at("work/ones/0")).LetGo()
	for range 8 {
		g.Key(" ")
	}
	g.See("47 and 25 were joined. Together they are 72.").Settle()
	s.check(g)
	kept := s.kept(g)
	if kept.At.String() != "read/2" || len(kept.Seated) != 1 || kept.Seated[0].Name != "Ada W." || kept.Material != material.Beads {
		t.Errorf("kept %+v", kept)
	}
	g.Key("w").See("as seen on the mat").Key("1").See("no answer").Key("6", "2", "n", " ").See("The ten that came up was not added").Key(" ").See("No lesson in hand")
	s.check(g)
	if seen, err := s.store.LessonObservations(context.Background(), kept.ID); err != nil || len(seen) != 1 || seen[0].Answer != "62" || seen[0].Help != book.Nudged || seen[0].Came != book.Typed {
		t.Errorf("recorded %+v, %v", seen, err)
	}
}

const demoPassword = "plums-and-honey"

// A class's own words reach the labels, the sentences and the mat.
func TestSettingsReachEverything(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	s.login(g, "hanne").Press("Orchard room").See("Ten for one is called").Press("an exchange").See("are exchanged for one ten")
	g.Press("units").See("Ten units are exchanged").Press("with “and”").Press("blocks").Settle()
	g.Press("Numbers").See("one exchange, units").See("no exchange").Write("Numbers of your own", "407+105").Press("Look").See("five hundred and twelve").Press("Gather")
	g.See("12 small cubes").Press("To the mat").See("About how much").Press("Lay out").See("Three trays").Key(" ", " ", " ", " ", " ", " ", " ", " ").See("Ten units are exchanged for one ten.").Settle()
	s.check(g)
	_, class := s.lead()
	c, err := s.store.Class(context.Background(), class)
	if err != nil || c.Settings.Swap != "exchange" || c.Settings.Places != "units" || !c.Settings.And || c.Settings.Material != material.Blocks {
		t.Errorf("kept %+v, %v", c.Settings, err)
	}
}

// watch keeps from now on how many pieces were under way at once.
const watch = `(() => {
	const pieces = document.querySelector('[data-pieces]');
	window.travelled = 0;
	new MutationObserver(() => { window.travelled = Math.max(window.travelled, Number(pieces.dataset.under ?? 0)) }).observe(pieces, { attributes: true });
	return true;
})()`

// lying holds when so many pieces lie on the mat and none is under way.
func lying(n int) string {
	return fmt.Sprintf("(({ lying, under }) => lying === '%d' && under === '0')(document.querySelector('[data-pieces]').dataset)", n)
}

// Who asked for less motion gets a cut instead.
func TestLessMotion(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	practise(s.login(g, "hanne"), "47+25").Key(" ", " ", " ", " ").Holds("laid out", at("lay-out/4")).Holds("watch", watch)
	g.Key(" ", " ", " ", " ").Holds("swapped", at("work/ones/2")).Holds("the pieces are there", lying(9)).Settle()
	s.check(g)
	if n := guide.Read[int](g, "window.travelled"); n != 0 {
		t.Errorf("%d pieces travelled", n)
	}
}

// practise brings somebody to the mat with a sum and nobody else.
func practise(g *guide.Guide, sum string) *guide.Guide {
	return g.Press("Numbers").See("Twelve of them").Write("Numbers of your own", sum).Press("Look").Holds("looked", fmt.Sprintf("document.querySelector('[data-live]').innerText.startsWith(%q)", sum)).
		Press("Gather").See("most pieces at once").Press("To the mat").See("About how much").Press("Lay out").See("Three trays")
}

// deaf is a page that hears nothing of what other devices do.
const deaf = "window.EventSource = class { static CLOSED = 2; readyState = 1; addEventListener() {} close() {} }"

// Two screens of the same lesson: the other one follows; one that hears nothing is told, and
// goes on from where the other is.
func TestTwoScreens(t *testing.T) {
	s := open(t)
	one, two := s.sit(laptopWidth, laptopHeight), s.sit(1024, 768)
	three := s.sit(laptopWidth, laptopHeight)
	practise(s.login(three, "hanne"), "36+27").Key(" ").Holds("built", at("lay-out/1")).Settle()
	s.login(two, "hanne").See("in your hand").Press("Go on").Holds("the same step", at("lay-out/1"))
	three.Key(" ", " ").Holds("ahead", at("lay-out/3")).Settle()
	two.Holds("followed", at("lay-out/3"))
	two.Key(" ").Holds("leads", at("lay-out/4")).Settle()
	three.Holds("follows", at("lay-out/4"))
	s.check(three)
	two = s.sit(1024, 768)
	one.Before(deaf)
	practise(s.login(one, "hanne"), "47+25").Key(" ").Holds("built", at("lay-out/1")).Settle()
	s.login(two, "hanne").See("in your hand").Press("Go on").Holds("the same step", at("lay-out/1"))
	two.Key(" ", " ").Holds("ahead", at("lay-out/3")).Settle()
	one.Key(" ").See("The lesson was moved on elsewhere").Holds("where the other is", at("lay-out/3"))
	one.Key(" ").Holds("and on", at("lay-out/4")).Settle()
	s.check(one)
	if kept := s.kept(one); kept.At.String() != "lay-out/4" {
		t.Errorf("kept at %v", kept.At)
	}
}

// late lets the page wait for a lesson that it reads again.
const late = `(() => {
	const real = window.fetch
	window.fetch = async (...all) => {
		const got = await real(...all)
		const url = String(all[0].url ?? all[0])
		if (window.slow && (all[1]?.method ?? all[0].method ?? 'GET') === 'GET' && /lessons[/][^/]+$/.test(url)) {
			window.reads = true
			await new Promise((on) => setTimeout(on, 1500))
		}
		return got
	}
})()`

// Who steps on while the lesson is read again, because another screen has taken other material,
// stays where it went.
func TestAStepWhileTheLessonIsRead(t *testing.T) {
	s := open(t)
	one, two := s.sit(laptopWidth, laptopHeight).Before(late), s.sit(1024, 768)
	practise(s.login(one, "hanne"), "47+25").Key(" ").Holds("built", at("lay-out/1")).Settle()
	s.login(two, "hanne").See("in your hand").Press("Go on").Holds("the same step", at("lay-out/1"))
	one.Holds("slow from now on", "(window.slow = true)")
	two.Press("blocks").Settle()
	one.Holds("it is read again", "window.reads").Key(" ", " ").Holds("on", at("lay-out/3")).See("Saving").Settle()
	one.Holds("still there", at("lay-out/3"))
	s.check(one)
	s.check(two)
	if kept := s.kept(one); kept.At.String() != "lay-out/3" || kept.Material != material.Blocks {
		t.Errorf("kept at %v, with %s", kept.At, kept.Material)
	}
}

// A session that ends in the middle of a lesson asks for the password and
// comes back to the same step.
func TestSessionEndsMidway(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	practise(s.login(g, "hanne"), "368+275").Key(" ", " ").Holds("two steps", at("lay-out/2")).Settle()
	s.check(g)
	pgtest.Exec(t, s.db, "delete from session")
	g.Reload().See("Log in").Write("Email", "hanne@vineswap.test").Write("Password", "not this one").Press("Log in").See("do not belong together")
	g.Write("Password", demoPassword).Press("Log in").Holds("the same step", at("lay-out/2"))
}

// While the server is away the lesson goes on; what waits is said, and kept
// when the server is back.
func TestTheServerGoesAndComesBack(t *testing.T) {
	s := loaded(t)
	url, stop := s.serve("127.0.0.1:0")
	s.url = url
	g := s.sit(laptopWidth, laptopHeight)
	practise(s.login(g, "hanne"), "47+25").Key(" ").Holds("built", at("lay-out/1")).Settle()
	s.check(g)
	stop()
	g.Key(" ", " ", " ").Holds("on without it", at("lay-out/4")).See("waiting: 1")
	s.check(g)
	if kept := s.kept(g); kept.At.String() != "lay-out/1" {
		t.Errorf("kept at %v while nobody could", kept.At)
	}
	_, stop = s.serve(strings.TrimPrefix(url, "http://"))
	t.Cleanup(stop)
	g.Holds("saved", "document.querySelector('.saved').innerText === 'Saved'").Holds("still there", at("lay-out/4"))
	s.check(g)
	if kept := s.kept(g); kept.At.String() != "lay-out/4" {
		t.Errorf("kept at %v", kept.At)
	}
}

// Whoever steps faster than the network, and leaves at once, loses nothing.
func TestNothingIsLostInAHurry(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	practise(s.login(g, "hanne"), "47+25")
	s.check(g)
	id := s.kept(g).ID
	g.Key(" ", " ", " ", " ", " ").Press("Today").See("in your hand").Settle()
	s.check(g)
	if kept := s.keptAs(id); kept.At.String() != "join/0" {
		t.Errorf("left at join/0, kept at %v", kept.At)
	}
	g.Press("Go on").Holds("the mat", at("join/0"))
	for range 12 {
		g.Key(" ")
	}
	g.Key(" ").See("No lesson in hand")
	s.check(g)
	if kept := s.keptAs(id); kept.Stand != lesson.Ended || kept.At.String() != "check/1" {
		t.Errorf("finished in a hurry and kept %s at %v", kept.Stand, kept.At)
	}
}

// A step that finds the session ended is kept once one has logged in again.
func TestAStepWaitsForTheLogIn(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	practise(s.login(g, "hanne"), "47+25").Key(" ").Holds("built", at("lay-out/1")).Settle()
	s.check(g)
	id := s.kept(g).ID
	pgtest.Exec(t, s.db, "delete from session")
	g.Key(" ").See("Log in").Write("Email", "hanne@vineswap.test").Write("Password", demoPassword).Press("Log in")
	g.Holds("the step is there", at("lay-out/2")).Holds("saved", "document.querySelector('.saved').innerText === 'Saved'")
	s.check(g)
	if kept := s.keptAs(id); kept.At.String() != "lay-out/2" {
		t.Errorf("kept at %v", kept.At)
	}
}

// Who only looks on can read a lesson and change nothing.
func TestAViewerLooksOn(t *testing.T) {
	s := open(t)
	lead, viewer := s.sit(laptopWidth, laptopHeight), s.sit(laptopWidth, laptopHeight)
	practise(s.login(lead, "hanne"), "47+25").Key(" ").Holds("built", at("lay-out/1")).Settle()
	s.login(viewer, "vera").See("You can read everything in this class").Holds("no numbers", "![...document.querySelectorAll('nav a')].some((a) => a.innerText.trim() === 'Numbers')")
	viewer.Press("open, since").Holds("the mat", at("lay-out/1")).Key(" ").Holds("can step for herself", at("lay-out/2")).Settle()
	s.check(viewer)
	if kept := s.kept(lead); kept.At.String() != "lay-out/1" {
		t.Errorf("a viewer moved the lesson to %v", kept.At)
	}
}

// A guide asks before each step: the answer is shown at the second touch. Any
// place of the work is reached from the ribbon.
func TestAskingFirst(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	practise(s.login(g, "hanne"), "47+25").Press("Go to ones").Holds("at the ones", at("work/ones/0"))
	g.Key("q").Holds("it will be asked", "[...document.querySelectorAll('[aria-pressed=true]')].some((b) => b.innerText === 'Show at once')")
	g.Press("Gather ten ones").See("Is there a ten? What is it the same as?").Holds("and not shown", at("work/ones/0")).Holds("nor said", "!document.querySelector('[data-said]')")
	g.Press("Show it").See("They are the same as one ten.").Holds("shown", at("work/ones/1"))
	g.Press("Swap for one ten").Holds("what is only done is not asked", at("work/ones/2"))
	g.Press("Lay the card 2").See("What stays in the ones?").Press("Back").Holds("taken back", at("work/ones/2")).See("It joins the tens.")
	g.Press("Go to check").Holds("at the check", at("check/0")).Settle().Reload().See("So 9 pieces must lie here now.").Press("Check another way").See("How can it be checked?").Key("q").Holds("shown at once", "document.querySelector('[data-said]')")
	g.Press("Go to build").Holds("at the beginning", at("lay-out/0")).Settle()
	s.check(g)
	if kept := s.kept(g); kept.At.String() != "lay-out/0" {
		t.Errorf("kept at %v", kept.At)
	}
}
