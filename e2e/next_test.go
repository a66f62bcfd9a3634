package e2e_test

import (
	"fmt"
	"testing"

	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/lesson"
	"vineswap/e2e/guide"
	"vineswap/store"
)

// Sharing from its board to the vine: the board, the stage, a problem, the mat, and who did
// it; what is written counts for its stage and is seen in the class.
func TestSharingFromBoardToVine(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	s.login(g, "hanne").Press("Numbers").Holds("the boards", "document.querySelector('[aria-label=Strand]')").Press("Sharing").Holds("its first stage", "document.querySelector('.says')?.innerText.startsWith('Shared evenly')").Settle()
	g.Press("Gather").See("Who comes?").Press("Finn O.").See("1Finn O.").Press("done").Press("To the mat").See("About how much")
	workedToTheEnd(g).Key("1").See("no answer").Key("r", " ").See("Finish the lesson").Press("Finish the lesson").See("No lesson in hand")
	g.Press("Class").See("days since last seen").Press("multiplication and division").See("shared, a remainder").Holds("the vine", "document.querySelector('[role=gridcell][aria-label^=\"Finn O., shared evenly: \"]')")
	s.check(g)
	kept := s.keptOf("hanne", "Finn O.")
	for _, o := range kept {
		if !o.Right() || ladder.Credit(o.Task, o.Stage) != choose.ShareEven {
			t.Errorf("%s: %+v", o.Task, o)
		}
	}
	if len(kept) != 1 {
		t.Errorf("%d records", len(kept))
	}
}

// Each child of a lesson that is suggested has its reason, and the lesson is one touch away
// with these children.
func TestALessonIsSuggestedWithReasons(t *testing.T) {
	s := open(t)
	g := s.sit(768, 1024)
	s.login(g, "hanne").See("suggested for")
	first := guide.Read[string](g, "document.querySelector('.bud .what strong').innerText")
	g.Press("Why each of them").Holds("a reason for each", "document.querySelectorAll('.bud details[open] li').length === document.querySelector('.bud .what strong').innerText.split(', ').length")
	g.Press("suggested for").See("Who does what").Holds("they come", fmt.Sprintf("%q.split(', ').every((name) => document.body.innerText.includes(name))", first))
	s.check(g)
	kept := s.kept(g)
	if kept.Stand != lesson.Gathering || len(kept.Children) == 0 || kept.Items[0].Manner == "" || kept.Items[0].Stage == "" {
		t.Errorf("opened as %+v", kept)
	}
}

// The lead keeps two children apart: it is warned where they sit together, an assistant is
// not, and they may sit together again.
func TestTwoAreKeptApart(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	const warning = "are not to sit together"
	seat := func() {
		g.Press("Numbers").Holds("the field", "document.querySelector('#own')").Settle().Write("Numbers of your own", "47+25").Press("Look").See("Most pieces").Press("Gather").See("Who comes?").Press("Jory P.").See("1Jory P.").Press("Wren A.").See("2Wren A.")
	}
	s.login(g, "hanne").Press("Orchard room").Press("People").See("22 children").Press("Jory P.").See("Not together with")
	g.Holds("chosen", "(() => { const f = document.getElementById('apart'); f.value = [...f.options].find((o) => o.text === 'Wren A.').value; f.dispatchEvent(new Event('change', { bubbles: true })); return true })()").See("may sit with Wren A. again").Reload().See("22 children").Press("Wren A.").See("may sit with Jory P. again")
	seat()
	g.See(warning).Press("Orchard room").Press("People").See("22 children").Press("Wren A.").Press("may sit with Jory P. again").Holds("let go", "!document.body.innerText.includes('may sit with')")
	seat()
	g.Holds("nothing is said", fmt.Sprintf("!document.body.innerText.includes(%q)", warning))
	_, orchard := s.lead()
	if err := s.store.KeepApart(ctx, orchard, store.Pair{One: s.learner("Jory P."), Other: s.learner("Wren A.")}, true); err != nil {
		t.Fatal(err)
	}
	helper := s.sit(laptopWidth, laptopHeight)
	s.login(helper, "tilo")
	g = helper
	seat()
	g.Holds("an assistant is told nothing", fmt.Sprintf("!document.body.innerText.includes(%q)", warning))
	s.check(g)
}

// Who is away today is touched once: no lesson is suggested for that child until it is here
// again, and it stays so over a reload.
func TestWhoIsAwayToday(t *testing.T) {
	s := open(t)
	g := s.sit(390, 844)
	s.login(g, "hanne").See("suggested for")
	first := guide.Read[string](g, "document.querySelector('.bud .what strong').innerText.split(', ')[0]")
	suggested := fmt.Sprintf("[...document.querySelectorAll('.bud .what strong')].some((e) => e.innerText.split(', ').includes(%q))", first)
	touch := func() {
		g.Holds("touched", fmt.Sprintf("([...document.querySelectorAll('.here button')].find((b) => b.innerText.startsWith(%q)).click(), true)", first))
	}
	open := func() {
		g.Holds("the names", "(document.querySelector('.here').open = true)")
	}
	open()
	touch()
	g.Holds("away", "!"+suggested).See("21 of 22 are here").Reload().See("21 of 22 are here").Holds("kept", "!"+suggested)
	open()
	touch()
	g.Holds("here again", suggested)
	s.check(g)
}
