package e2e_test

import (
	"fmt"
	"slices"
	"testing"

	"github.com/google/uuid"

	"vineswap/core/choose"
	"vineswap/core/diagnose"
	"vineswap/core/lesson"
	"vineswap/core/material"
	"vineswap/core/problem"
	"vineswap/core/slip"
	"vineswap/e2e/guide"
	"vineswap/store"
)

// A slip from the answer that is typed, over the step of the mat that helps and the child's
// page, to the lesson that mends it: by keys alone in the record.
func TestASlipIsFollowed(t *testing.T) {
	s := open(t)
	quill := s.newcomers("Quill Z.")[0]
	account, class := s.lead()
	items := lesson.Items(choose.SeveralSwaps, problem.SumOf(1458, 2367))
	items = append(items, lesson.Items(choose.OneSwapOnes, problem.SumOf(47, 25), problem.SumOf(58, 36))...)
	l, err := lesson.New(items, material.Beads, []string{quill.ID.String()})
	if err != nil {
		t.Fatal(err)
	}
	kept := store.Lesson{Lesson: l, ID: uuid.New(), ClassID: class, OpenedBy: account.ID, ChangedAt: s.now}
	if err := s.store.AddLesson(ctx, kept); err != nil {
		t.Fatal(err)
	}
	g := s.sit(laptopWidth, laptopHeight)
	s.login(g, "hanne").See("in your hand").Press("Go on").See("Who does what").Press("To the mat").See("About how much").Key(" ").Holds("laid out", at("lay-out/0"))
	g.Key("w").See("Who did what").Key("1").See("no answer")

	// 3715 lacks one ten and one hundred: the ten that came up was not added, twice.
	g.Key("3", "7", "1", "5").See("The ten that came up was not added").See("It shows in the tens and the hundreds.").See("No other slip gives 3715.").See("Is the new ten in the hand")
	g.Holds("named in the book too", "document.querySelector('.row.open .slip').innerText.includes('The ten that came up') || document.querySelector('.row.open .slip').innerText.includes('the ten that came up')")
	g.Settle()
	for _, v := range g.Axe(axe(t)) {
		t.Errorf("%s, %s: %v", v.Impact, v.Help, v.Where)
	}
	for _, fault := range guide.Read[[]string](g, walk) {
		t.Error(fault)
	}
	g.Key("l").See("Ten ones swap for").Holds("the swap of the ones", "document.querySelector('[data-step]').dataset.step.startsWith('work/ones')")
	s.check(g)
	if seen, err := s.store.LessonObservations(ctx, kept.ID); err != nil || len(seen) != 1 || seen[0].Answer != "3715" {
		t.Fatalf("what was typed before going to the step: %v, %v", seen, err)
	}

	// Two more answers of the same kind: right ones would be 72 and 94.
	g.Key("w").See("Who did what").Press("4 7").See("Record Quill Z.").Key("1").See("no answer").Key("6", "2").See("The ten that came up").Key(" ")
	g.Press("5 8").See("Record Quill Z.").Key("1").See("no answer").Key("8", "4").See("The ten that came up").Key(" ").Holds("all are written", "!document.body.innerText.includes('to record')")
	s.check(g)
	g.Open(fmt.Sprintf("%s/#/%s/learner/%s", s.url, class, quill.ID)).See("Records, newest first").Press("what goes wrong (1)").See("The ten that came up was not added").See("explains 3 of 3 wrong answers").See("almost sure").See("this slip would write")
	g.Holds("the wrong digits are marked", "document.querySelectorAll('.written .off').length === 4").Settle()
	for _, v := range g.Axe(axe(t)) {
		t.Errorf("%s, %s: %v", v.Impact, v.Help, v.Where)
	}

	// One touch from a lesson with numbers that bring it out, with material.
	g.Key(" ").See("Who does what").See("Quill Z.")
	s.check(g)
	mend := s.inHand(account.ID, class)
	if mend.ID == kept.ID || !slices.Equal(mend.Children, []string{quill.ID.String()}) {
		t.Fatalf("%+v", mend)
	}
	for _, item := range mend.Items {
		if !diagnose.Shows([]slip.ID{"drops-new-ten"}, item.Task) || !item.Manner.WithMaterial() {
			t.Errorf("%v, %s", item.Task, item.Manner)
		}
	}
}

// Numbers that bring a slip out are drawn for it, and one of them is gathered.
func TestBringingASlipOut(t *testing.T) {
	s := open(t)
	account, class := s.lead()
	g := s.sit(laptopWidth, laptopHeight)
	s.login(g, "hanne").See("Today")
	g.Open(fmt.Sprintf("%s/#/%s/numbers?stage=taking/across-one-zero", s.url, class)).See("Twelve of them").See("Cannot show")
	g.Holds("chosen", `(() => { const f = document.querySelector('[aria-label="Which slip the numbers bring out"]'); f.value = 'jumps-over-zero'; f.dispatchEvent(new Event('change', { bubbles: true })); return true })()`)
	g.Holds("drawn for it", `document.querySelector('[aria-busy=false]') && document.querySelector('[aria-label="Which slip the numbers bring out"]').value === 'jumps-over-zero'`).Settle()
	g.Key(" ").See("Who comes?")
	s.check(g)
	held := s.inHand(account.ID, class)
	if !diagnose.Shows([]slip.ID{"jumps-over-zero"}, held.Items[0].Task) {
		t.Errorf("%v does not bring it out", held.Items[0].Task)
	}
}

// inHand is the lesson that an adult has in hand.
func (s school) inHand(account, class uuid.UUID) store.Lesson {
	s.Helper()
	id, err := s.store.LessonInHand(ctx, account, class)
	if err != nil {
		s.Fatal(err)
	}
	l, err := s.store.Lesson(ctx, class, id)
	if err != nil {
		s.Fatal(err)
	}
	return l
}
