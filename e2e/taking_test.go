package e2e_test

import (
	"fmt"
	"strings"
	"testing"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/problem"
	"vineswap/e2e/guide"
)

// step steps on and waits for a position.
func step(g *guide.Guide, position string) *guide.Guide {
	return g.Key(" ").Holds(position, at(position))
}

// atTheEnd tells whether the mat shows the last step of the work.
func atTheEnd(g *guide.Guide) bool {
	return guide.Read[bool](g, "!!document.querySelector('[data-last]')") || g.Err() != nil
}

// there waits for what lies on a tray of the mat.
func there(g *guide.Guide, names ...string) *guide.Guide {
	for _, name := range names {
		g.Holds(name, fmt.Sprintf("document.querySelector('[role=img][aria-label=%q]')", name))
	}
	return g
}

// Taking away over two zeros: typed, gathered, walked over the zeros and back,
// with beads and with blocks, read, written up.
func TestTakingAwayOverZeros(t *testing.T) {
	s := open(t)
	g := s.sitMoving(laptopWidth, laptopHeight)
	s.login(g, "hanne").Press("Numbers").See("Twelve of them").Write("Numbers of your own", "5003-1264").Press("Look").See("across zeros").See("13 ones: one ten swaps for ten ones, 9 left.").Press("Gather")
	g.See("10 squares").See("one for the larger number, one for what is taken").Press("Ada W.").See("1Ada W.").Press("Bram D.").See("2Bram D.").Press("done").See("builds 5003, works the ones and the hundreds").Press("To the mat").See("About how much").Press("Lay out").Holds("laid out", at("lay-out/0"))
	there(step(g, "lay-out/1"), "the number: 5 cubes", "the number: 0 squares", "the number: 3 beads")
	for _, position := range []string{"lay-out/2", "lay-out/3", "work/ones/0"} {
		step(g, position)
	}
	g.See("Three ones, and four ones to take: not enough.").Holds("the way is shown before it is gone", "document.querySelectorAll('.hop.due').length === 3")
	there(step(g, "work/ones/1"), "the number: 4 cubes", "the number: 10 squares")
	there(step(g, "work/ones/2"), "the number: 9 squares", "the number: 10 bars")
	g.Holds("one hop is past, one is now, one is still to come", "['past', 'now', 'due'].every((x) => document.querySelectorAll('.hop.' + x).length === 1)")
	there(step(g, "work/ones/3"), "the number: 9 bars", "the number: 13 beads").See("One ten swaps for ten ones.")
	g.Press("Back").Holds("back", at("work/ones/2"))
	there(g, "the number: 10 bars").Press("blocks")
	there(g, "the number: 10 sticks")
	step(g, "work/ones/3")
	there(step(g, "work/ones/4"), "taken away: 4 small cubes", "the number: 9 small cubes")
	g.Holds("what was there is crossed out", "document.querySelectorAll('.column .digit .struck').length === 4")
	workedToTheEnd(g).See("13 there after one swap, 4 taken away: 9 stay").Press("Ada W. right, 3739").Key("2").See("no answer").Key("3", "8", "4", "9", " ").Holds("written", "document.querySelectorAll('.box.written').length === 2").Settle()
	s.check(g)
	kept := s.kept(g)
	seen, err := s.store.LessonObservations(ctx, kept.ID)
	if err != nil || len(seen) != 2 || ladder.Credit(seen[0].Task, seen[0].Stage) != choose.AcrossZeros || !seen[0].Right() || seen[1].Answer != "3849" || seen[0].Manner != book.Pieces || kept.Current().Task.Kind != problem.Difference {
		t.Errorf("kept %+v, %v", seen, err)
	}
	g.Key(" ").See("Wednesday 25 November")
}

// All swaps first, and over the zeros as one, as the class has set it in the
// middle of the lesson.
func TestTakingByTheClassesMethod(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	s.login(g, "hanne").Press("Numbers").See("Twelve of them").Write("Numbers of your own", "5003-1264").Press("Look").See("across zeros").Press("Gather").See("most pieces at once").Press("To the mat").See("About how much").Press("Lay out").Holds("laid out", at("lay-out/0"))
	for _, position := range []string{"lay-out/1", "lay-out/2", "lay-out/3", "work/ones/0", "work/ones/1"} {
		step(g, position)
	}
	g.Settle().Press("Orchard room").See("Over zeros, swap").Press("all places first").Holds("set", "document.querySelector('input[name=order]:checked').value === 'swaps-first'")
	g.Press("as one").Holds("set", "document.querySelector('input[name=zeros]:checked').value === 'as-one'")
	g.Press("a small 1 in front").Holds("set", "document.querySelector('input[name=crossing]:checked').value === 'in-front'").Settle().Press("Mat").See("Bank")
	for range 12 { // back to where the swaps begin
		if guide.Read[bool](g, "document.querySelector('[data-step]')?.dataset.step === 'lay-out/3'") || g.Err() != nil {
			break
		}
		g.Press("Back").Settle()
	}
	step(g, "swaps/ones/0")
	there(step(g, "swaps/ones/1"), "the number: 4 cubes", "the number: 9 squares", "the number: 9 bars", "the number: 13 beads").See("One thousand swaps for nine hundreds, nine tens and ten ones.")
	for _, position := range []string{"swaps/tens/0", "swaps/hundreds/0", "swaps/thousands/0", "work/ones/0"} {
		step(g, position)
	}
	there(g, "taken away: 4 beads", "the number: 9 beads").Holds("a small 1 in front", "document.querySelector('.column .digit .at-small-front').innerText === '1'")
	g.Press("Expanded form").See("= (4000 + 900 + 90 + 13) − (1000 + 200 + 60 + 4)").Press("Column")
	g.Settle()
	s.check(g)
	if kept := s.kept(g); kept.At.String() != "work/ones/0" {
		t.Errorf("kept at %v", kept.At)
	}
}

// Three addends on the mat, the fullest there are: two tens come up at once.
func TestThreeAddends(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	s.login(g, "hanne").Press("Numbers").See("Twelve of them").Write("Numbers of your own", "289+398+279").Press("Look").See("three to six addends").Press("Gather").See("26 beads").See("three for the numbers, one for the total")
	g.Key(" ").See("About how much").Key(" ").Holds("laid out", at("lay-out/0"))
	for i := range 6 {
		step(g, fmt.Sprintf("lay-out/%d", i+1))
	}
	there(g, "tray 3: 9 beads")
	there(step(g, "join/0"), "pushed together: 26 beads", "pushed together: 24 bars")
	step(g, "work/ones/0")
	for _, position := range []string{"work/ones/1", "work/ones/2", "work/ones/3", "work/ones/4"} {
		step(g, position)
	}
	there(g, "pushed together: 6 beads", "pushed together: 26 bars")
	for range 30 {
		if atTheEnd(g) {
			break
		}
		g.Key(" ").Settle()
	}
	g.See("Join them from the last to the first, 279, 398 and 289: they must make 966 again.").Holds("the numbers are written", "document.querySelector('[aria-label=\"Column: 289 plus 398 plus 279, written so far 966\"]')")
}

// Six addends: a tray for each, large piles in rings of ten, several tens given up
// one after another.
func TestSixAddends(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	s.login(g, "hanne").Press("Numbers").See("Twelve of them").Write("Numbers of your own", "89+98+87+78+99+69").Press("Look").See("three to six addends").Press("Gather").See("50 beads").See("7 trays")
	g.Key(" ").See("About how much")
	for range 14 {
		g.Key(" ").Settle()
	}
	there(g.Holds("pushed together", at("join/0")), "pushed together: 50 beads", "pushed together: 47 bars")
	g.Holds("nine rings", "document.querySelectorAll('.ring').length === 9")
	for range 60 {
		if atTheEnd(g) {
			break
		}
		g.Key(" ").Settle()
	}
	g.Holds("the column is written", "document.querySelector('[aria-label=\"Column: 89 plus 98 plus 87 plus 78 plus 99 plus 69, written so far 520\"]')").See("Join them from the last to the first, 69, 99, 78, 87, 98 and 89: they must make 520 again.")
	s.check(g)
	if kept := s.kept(g); strings.Count(kept.Current().Task.String(), "+") != 5 || kept.At.String() != "check/1" {
		t.Errorf("kept %v at %v", kept.Current(), kept.At)
	}
}

// A setting that is switched in the middle of a lesson is honoured at once, and
// the lesson goes on where it was.
func TestSettingsSwitchedMidLesson(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	practise(s.login(g, "hanne"), "1458+2367").Key(" ", " ", " ", " ", " ", " ").Holds("counted", at("work/ones/0")).See("Count to ten, and stop.").Settle()
	g.Press("Orchard room").See("In addition, what is carried is written")
	for side, now := range map[string]string{"after the whole column": "when", "by face value": "digits", "under the last number": "carried", "with a comma": "comma", "an exchange": "swap", "units, tens, hundreds": "places", "with “and”": "and", "as tens and ones": "teens"} {
		g.Press(side).Holds(now+" is set", fmt.Sprintf("document.querySelector('input[name=%s]:checked').closest('label').innerText.includes(%q)", now, side))
	}
	g.Settle().Press("Mat").Holds("the same step", at("work/ones/0")).See("Eight plus seven: ten-five units in all.")
	step(g, "work/ones/1")
	g.Holds("the ten that comes up is due under the last number", "document.querySelector('.column .due')")
	for range 30 {
		if atTheEnd(g) {
			break
		}
		g.Key(" ").Settle()
	}
	g.See("Take 2,367 away from 3,825 again: 1,458 must be left.")
}
