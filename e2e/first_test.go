package e2e_test

import (
	"context"
	"fmt"
	"testing"

	"github.com/chromedp/chromedp/kb"

	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/lesson"
	"vineswap/core/material"
)

// A brand-new class, from nothing to a recorded lesson: three touches beyond the typed
// names lead to the mat.
func TestTheFirstDay(t *testing.T) {
	s := open(t)
	s.empty()
	g := s.sit(laptopWidth, laptopHeight)
	s.login(g, "hanne").See("What can your children do today?").See("next: adding: one swap, ones").See("This is it")
	g.Press("blocks").Write("1", "Bramble T.").Write("2", "Fern O.").Write("3", "").Settle()
	g.Press("Begin").See("builds").See("Bramble T.").See("Fern O.").Press("To the mat").See("About how much")
	l := s.kept(g)
	if len(l.Seated) != 2 || l.Material != material.Blocks || l.Current().Stage != choose.OneSwapOnes {
		t.Errorf("the first lesson is %+v", l)
	}
	workedToTheEnd(g).Press("Bramble T. right, ").Press("Fern O. right, ").Holds("written", "document.querySelector('.box.written')").Settle()
	g.Press("Finish the lesson").See("No lesson in hand").See("2 children").See("suggested for")
	seen, err := s.store.LessonObservations(context.Background(), l.ID)
	if err != nil || len(seen) != 2 || !seen[0].Right() || !seen[1].Right() {
		t.Errorf("recorded %+v, %v", seen, err)
	}

	// What they can already counts as met and is not secure; it is said on the child's
	// page, and can be told anew.
	g.Press("Class").Press("Bramble T., 0 days").Press("addition, no swap").See("Counts as met: the child was said to be able to do it.")
	if got := s.standing("Bramble T.", choose.NoSwap); got.State != ladder.NotYet {
		t.Errorf("told, and %s", got.State)
	}
	g.Press("Orchard room").Press("People").See("2 children").Press("Bramble T.")
	g.Holds("told when it was added", "[...document.querySelectorAll('select')].filter((e) => e.value === 'adds-without-swap').length >= 1")
	s.check(g)
}

// Names can wait, and nothing is kept before the lesson begins.
func TestTheFirstDayWithoutNames(t *testing.T) {
	s := open(t)
	s.empty()
	g := s.sit(390, 844)
	s.login(g, "hanne").See("What can your children do today?").See("This is it").Press("1 2 3").See("next: adding: within ten").Holds("numbers within ten", `/This is it:\s*[1-9]\s\+\s[1-9]\s/.test(document.body.innerText)`)
	g.Reload().See("What can your children do today?").See("This is it")
	_, class := s.lead()
	if list, err := s.store.Learners(context.Background(), class); err != nil || len(list) != 0 {
		t.Errorf("%d children before anybody began, %v", len(list), err)
	}
	g.Press("Begin").See("First").See("Second").See("Third").See("To the mat")
	if l := s.kept(g); len(l.Seated) != 3 || l.Seated[2].Name != "Third" {
		t.Errorf("%+v", l.Seated)
	}
	s.check(g)
}

// After a touch the keys belong to the view again; a control that was reached by Tab
// keeps space and enter.
func TestKeysAfterTouches(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	here := "document.activeElement === document.body || document.activeElement.matches('main, [tabindex=\"-1\"]')"

	// On the mat: the material is touched, and space goes on.
	s.login(g, "hanne").Press("Numbers").See("Twelve of them").Write("Numbers of your own", "47+25").Press("Look").See("12 ones").Press("Gather").Press("Wren A.").Press("done").See("works the ones").Press("To the mat").See("About how much")
	g.Press("blocks").Holds("the focus is with the view", here).Key(" ").See("Three trays")
	g.Press("beads").Holds("the focus is with the view", here).Key(kb.ArrowLeft).Holds("and back", at("before/0"))

	// Reached by Tab, the same button is pressed by space.
	g.TabTo("blocks").Key(" ").Holds("blocks", "[...document.querySelectorAll('button, [role=radio]')].some((b) => b.innerText.trim() === 'blocks' && (b.ariaChecked === 'true' || b.ariaPressed === 'true'))").Holds("no step was taken", at("before/0"))

	// On Record: a child is touched, and a digit is no more lost on it.
	g.LetGo()
	workedToTheEnd(g)
	g.Press("Wren A. right, ").Holds("written", "document.querySelector('.box.written')").Settle().Holds("the focus is with the view", here)

	// Numbers: a kind is touched, and space draws or gathers, never the kind again.
	g.Press("Numbers").See("Twelve of them").Press("no swap").Holds("no swap", fits("1980")).Holds("the focus is with the view", here)
}

// A lesson that lies open is put away in one touch, and taken back in one.
func TestALessonIsPutAway(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	s.login(g, "hanne").Press("Numbers").See("Twelve of them").Press("Gather").See("To the mat").Settle()
	l := s.kept(g)
	g.Press("Today").See("in your hand").Press("Put away").See("No lesson in hand").See("is put away").Settle()
	if got := s.keptAs(l.ID); got.Stand != lesson.Away {
		t.Errorf("put away, and %s", got.Stand)
	}
	g.Press("Undo").See("in your hand").Settle()
	if got := s.keptAs(l.ID); got.Stand != lesson.Gathering {
		t.Errorf("taken back, and %s", got.Stand)
	}
	g.Press("Put away").See("No lesson in hand").Reload().See("No lesson in hand")
	if seen, err := s.store.LessonObservations(context.Background(), l.ID); err != nil || len(seen) != 0 {
		t.Errorf("%d records of it, %v", len(seen), err)
	}
	s.check(g)
}

// What was said when a child was added is told again by a child added later.
func TestToldWhenAdded(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	s.login(g, "hanne").Press("Orchard room").Press("People").See("22 children").Write("First name and initial, or a pasted list", "Quill Z.")
	g.Holds("told", `(() => { const e = document.getElementById('told'); e.value = 'adds-without-swap'; e.dispatchEvent(new Event('change', { bubbles: true })); return true })()`)
	g.Press("Add Quill Z.").See("23 children").Press("Class").Holds("what comes next is ready", leafSays("Quill Z.", "one swap, ones", "ready for it")).Holds("and what is before is met", fmt.Sprintf("!(%s)", leafSays("Quill Z.", "no swap", "ready for it")))
	if got := s.standing("Quill Z.", choose.NoSwap); got.State != ladder.NotYet {
		t.Errorf("%+v", got)
	}
	s.check(g)
}
