package e2e_test

import (
	"context"
	"fmt"
	"slices"
	"strings"
	"testing"
	"time"

	"github.com/chromedp/chromedp/kb"
	"github.com/google/uuid"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/lesson"
	"vineswap/core/material"
	"vineswap/core/problem"
	"vineswap/e2e/guide"
	"vineswap/store"
)

var ctx = context.Background()

// leafSays waits until a leaf of the class reads so.
func leafSays(child, stage, says string) string {
	return fmt.Sprintf(`document.querySelector('[role=gridcell][aria-label="%s, %s: %s"]')`, child, stage, says)
}

// atTheMat brings a lesson with children to the mat.
func atTheMat(g *guide.Guide, sum string, children ...string) *guide.Guide {
	g.Press("Numbers").See("Twelve of them").Write("Numbers of your own", sum).Press("Look").Holds("looked", fmt.Sprintf("document.querySelector('[data-live]').innerText.startsWith(%q)", sum)).
		Press("Gather").See("Who comes?")
	for i, child := range children {
		g.Press(child).See(fmt.Sprintf("%d%s", i+1, child))
	}
	return g.Press("done").Press("To the mat").See("About how much").Press("Lay out").See("Three trays")
}

// workedToTheEnd steps to the end of the check, and on to the record.
func workedToTheEnd(g *guide.Guide) *guide.Guide {
	for range 50 {
		if atTheEnd(g) {
			break
		}
		step := guide.Read[string](g, "document.querySelector('[data-step]')?.dataset.step ?? ''")
		g.Key(" ").Holds("a step on", fmt.Sprintf("document.querySelector('[data-step]')?.dataset.step !== %q", step))
	}
	return g.Key(" ").See("Who did what")
}

// The whole chain, twice: from the log-in to the changed vine, and again on the
// next day, when what was right alone on two days is secure and what builds on
// it is ready.
func TestTheChainOverTwoDays(t *testing.T) {
	s := loaded(t)
	url, stop := s.serve("127.0.0.1:0")
	s.url = url
	g := s.sit(laptopWidth, laptopHeight)

	// A new child comes into the class.
	s.login(g, "hanne").Press("Orchard room").Press("People").See("22 children").Write("First name and initial, or a pasted list", "Quill Z.")
	g.Holds("told", `(() => { const e = document.getElementById('told'); e.value = 'reads-tens-and-ones'; e.dispatchEvent(new Event('change', { bubbles: true })); return true })()`).Press("Add Quill Z.").See("23 children")
	g.Press("Class").See("Plan this lesson").Holds("nothing but a bud", leafSays("Quill Z.", "no swap", "ready for it"))
	s.worked("Quill Z.", firstDay.Add(-24*time.Hour), "42+25=67", "31+25=56", "21+15=36", "23+64=87") // on a sheet, the day before

	// Planned from the class: the stage, and the child.
	plan := func() {
		g.Press("no swap 23 + 45").See("Ready for it").Holds("Quill is named", "[...document.querySelectorAll('.book .name')].some((b) => b.innerText === 'Quill Z.')")
		for _, other := range guide.Read[[]string](g, "[...document.querySelectorAll('.book .name[aria-pressed=true]')].map((b) => b.innerText)") {
			if other != "Quill Z." {
				g.Press(other)
			}
		}
		if chosen := guide.Read[bool](g, "!![...document.querySelectorAll('.book .name[aria-pressed=true]')].find((b) => b.innerText === 'Quill Z.')"); !chosen {
			g.Press("Quill Z.")
		}
		g.See("Quill Z. · no swap").Press("Plan this lesson").See("For Quill Z.").See("Twelve of them").Press("Gather").See("works the ones").Press("To the mat").See("About how much").Press("Lay out").See("Three trays")
	}
	// The mat was led, so that help is proposed; the child did it alone.
	alone := func() {
		workedToTheEnd(g).Holds("with help", "document.querySelector('.row .small').innerText.startsWith('with help')").Key("1").See("no answer").Key("r", "a", " ").Holds("written", "document.querySelector('.box.written')").Settle()
	}
	plan()
	alone()
	g.Press("One more like it").Holds("from the beginning", at("before/0"))
	workedToTheEnd(g).Holds("alone, as before", "document.querySelector('.row .small').innerText.startsWith('alone')").Press("Quill Z. right, ").Holds("written", "document.querySelector('.box.written')").Settle()
	g.Press("Finish the lesson").See("Wednesday 25 November").Press("Class").Holds("a short lobe", leafSays("Quill Z.", "no swap", "under way with pieces"))
	g.Press("Quill Z., 0 days").See("6 of 7 beads: one more right alone.")
	s.check(g)
	if got := s.standing("Quill Z.", choose.NoSwap); got.State != ladder.UnderWay {
		t.Errorf("after one day it is %+v", got)
	}
	stop()

	// The next day.
	s.now = firstDay.Add(24 * time.Hour)
	s.url, stop = s.serve(strings.TrimPrefix(url, "http://"))
	t.Cleanup(stop)
	g.Open("about:blank").Open(s.url).See("Thursday 26 November").Press("Class").See("Plan this lesson")
	g.Press("no swap 23 + 45").Holds("the leaf", leafSays("Quill Z.", "no swap", "under way with pieces"))
	g.Press("Quill Z., no swap: under way with pieces").Holds("named", "document.querySelector('.book .one h1').innerText === 'Quill Z.'")
	if guide.Read[bool](g, "document.querySelector('.acts button').innerText === 'add to the lesson'") {
		for _, other := range guide.Read[[]string](g, "[...document.querySelectorAll('.book .name[aria-pressed=true]')].map((b) => b.innerText)") {
			g.Press(other)
		}
		g.Press("add to the lesson")
	}
	g.See("leave out this time")
	for _, other := range guide.Read[[]string](g, "[...document.querySelectorAll('.book .name[aria-pressed=true]')].map((b) => b.innerText)") {
		if other != "Quill Z." {
			g.Press(other)
		}
	}
	g.Press("Plan this lesson").See("Quill Z.").See("Twelve of them").Press("Gather").See("works the ones").Press("To the mat").See("About how much").Press("Lay out").See("Three trays")
	alone()
	g.Press("Finish the lesson").See("Thursday 26 November").Press("Class").Holds("a full lobe", leafSays("Quill Z.", "no swap", "secure with pieces")).Holds("and waiting for over ten", leafSays("Quill Z.", "one swap, ones", "not yet"))
	g.Press("Quill Z., 0 days").Press("addition, no swap: secure with pieces").See("Secure since today. Right alone 7 times on 3 days, last today.")
	s.check(g)

	// What was kept.
	seen, err := s.store.Observations(ctx, s.learner("Quill Z."))
	if err != nil || len(seen) != 7 || seen[0].Day-seen[2].Day != 1 || seen[0].Came != book.Marked || seen[0].By != "Hanne" || seen[2].Task.Key() == seen[1].Task.Key() {
		t.Errorf("kept %+v, %v", seen, err)
	}
	if got := s.standing("Quill Z.", choose.NoSwap); got.State != ladder.Secure || got.Alone != 7 {
		t.Errorf("after two days it is %+v", got)
	}
}

// worked keeps what a child did on a sheet with pieces, alone.
func (s school) worked(child string, at time.Time, answers ...string) {
	s.Helper()
	account, class := s.lead()
	for _, text := range answers {
		asked, answer, _ := strings.Cut(text, "=")
		p, err := problem.Parse(asked)
		if err != nil {
			s.Fatal(err)
		}
		o := store.Observation{ID: uuid.New(), ClassID: class, LearnerID: s.learner(child), RecordedBy: account.ID, RecordedAt: at}
		o.Task, o.Manner, o.Material, o.Help, o.Answer, o.Came, o.Runs, o.Day = p.Task(), book.Pieces, material.Beads, book.Alone, answer, book.Typed, 1, book.DayOf(at)
		if err := s.store.Record(ctx, o, false); err != nil {
			s.Fatal(err)
		}
	}
}

// unwritten counts the children at tasks of whom something is still to be written.
func (s school) unwritten() int {
	s.Helper()
	_, class := s.lead()
	list, err := s.store.Unwritten(ctx, class, 100)
	if err != nil {
		s.Fatal(err)
	}
	return len(list)
}

func (s school) standing(child string, stage choose.StageID) ladder.Standing {
	s.Helper()
	_, class := s.lead()
	room, err := s.store.Class(ctx, class)
	if err != nil {
		s.Fatal(err)
	}
	all, err := s.store.StandOf(ctx, room, s.learner(child))
	if err != nil {
		s.Fatal(err)
	}
	return all.Standings[ladder.Key{Stage: stage, Manner: book.Pieces}]
}

// Recording by keys alone, with an undo, a correction and an estimate before.
func TestRecordingByKeys(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	atTheMat(s.login(g, "hanne"), "47+25", "Ada W.", "Bram D.", "Clio J.")
	g.TabTo("Ada W. …").Key(kb.Enter).Holds("asked", "document.activeElement.id === 'estimate'").Key("7", "0", kb.Enter).See("Ada W. 70")
	workedToTheEnd(g).See("answer 72")
	g.Key("2").See("no answer").Key("6", "3", kb.Backspace, "2", "n", "m").Holds("pieces and column", "document.querySelector('.manners [aria-checked=true]').innerText.trim() === 'with pieces and column'")
	g.Key(" ").See("The ten that came up was not added").Holds("the next child is open", "document.querySelector('.row.open .name').innerText.includes('Clio J.')")
	g.Key("r", "e", " ").Holds("then the first", "document.querySelector('.row.open .name').innerText.includes('Ada W.')").Key(kb.Escape).Settle()
	s.check(g)
	now := func() map[string]store.Observation {
		t.Helper()
		seen, err := s.store.LessonObservations(ctx, s.kept(g).ID)
		if err != nil {
			t.Fatal(err)
		}
		current := map[string]store.Observation{}
		for _, o := range seen {
			if o.Current && !o.Withdrawn {
				current[o.LearnerID.String()] = o
			}
		}
		return current
	}
	bram, clio := s.learner("Bram D.").String(), s.learner("Clio J.").String()
	if got := now(); len(got) != 2 || got[bram].Answer != "62" || got[bram].Help != book.Nudged || got[bram].Manner != book.PiecesAndColumn || got[clio].Help != book.Explains || !got[clio].Right() {
		t.Errorf("recorded %+v", got)
	}
	g.Key(kb.Backspace).Holds("Clio waits again", "document.querySelectorAll('.box:not(.written)').length === 2").Settle()
	s.check(g)
	if got := now(); len(got) != 1 {
		t.Errorf("after the undo %+v", got)
	}
	g.Key("2").See("no answer").Key("r", " ").Holds("corrected", "!document.querySelector('.box.wrong')").Key(kb.Escape).Settle()
	s.check(g)
	if got := now(); len(got) != 1 || !got[bram].Right() || !got[bram].Replaces.Valid {
		t.Errorf("after the correction %+v", got)
	}
	g.Key("y").Holds("all written", "document.querySelectorAll('.box:not(.written)').length === 0").Settle().Key(" ").See("No lesson in hand")
	s.check(g)
	if waits := s.unwritten(); waits != 2 { // those that the demo leaves
		t.Errorf("%d still to write", waits)
	}
	said, err := s.store.EstimatesOf(ctx, s.learner("Ada W."))
	if err != nil || len(said) != 1 || said[0].Value != 70 {
		t.Errorf("estimates %+v, %v", said, err)
	}
}

// A space bar held for a second steps on once, opens one child and finishes
// nothing: what repeats never writes. A key after a click means what the view says.
func TestAHeldKeyWritesNothing(t *testing.T) {
	const second = 30 // as often as a keyboard repeats a key in it
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	written := func() []store.Observation {
		t.Helper()
		seen, err := s.store.LessonObservations(ctx, s.kept(g).ID)
		if err != nil {
			t.Fatal(err)
		}
		return seen
	}
	atTheMat(s.login(g, "hanne"), "47+25", "Ada W.", "Bram D.", "Clio J.")
	first := guide.Read[string](g, "document.querySelector('[data-step]').dataset.step")
	g.HoldDown(' ', second).Holds("a step on", "!("+at(first)+")").Key(kb.ArrowLeft).Holds("one step back is the first", at(first)).Settle()
	for range 50 {
		if atTheEnd(g) {
			break
		}
		step := guide.Read[string](g, "document.querySelector('[data-step]').dataset.step")
		g.Key(" ").Holds("a step on", fmt.Sprintf("document.querySelector('[data-step]').dataset.step !== %q", step))
	}
	g.HoldDown(' ', second).See("Who did what").See("Record Ada W.").Settle()
	s.check(g)
	if kept := s.kept(g); kept.Stand != lesson.OnTheMat || len(written()) != 0 {
		t.Errorf("a held key left the lesson %s, with %d records", kept.Stand, len(written()))
	}

	// One child opens, and is neither written nor followed by the next.
	g.HoldDown(' ', second).Holds("Ada is open", isOpen("Ada W."))
	g.Key("n").Press("Save, then Bram D.").Holds("Bram is open", isOpen("Bram D."))
	g.Key("t").HoldDown(' ', second).Holds("Clio is open", isOpen("Clio J.")).Key(kb.Escape).Settle()
	s.check(g)
	if seen := written(); len(seen) != 2 || seen[0].Help != book.Nudged || seen[0].LearnerID != s.learner("Ada W.") || seen[1].Help != book.Together || seen[1].LearnerID != s.learner("Bram D.") {
		t.Errorf("written %+v", seen)
	}

	// At the end it finishes the lesson, and begins no other.
	g.Press("Clio J. right, ").See("Finish the lesson").Settle().HoldDown(' ', second).See("No lesson in hand").See("Done today")
	s.check(g)
	if at := guide.Read[string](g, "location.hash"); !strings.HasSuffix(at, "/today") {
		t.Errorf("the held key went on to %s", at)
	}
}

// isOpen is whether this child's row is open on the record.
func isOpen(child string) string {
	return fmt.Sprintf("document.querySelector('.row.open .name')?.innerText.includes(%q)", child)
}

// All right in one touch: the rows say so here and on the child's page, it
// counts for less, and one undo takes all of it back.
func TestAllRightAtOnce(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	workedToTheEnd(atTheMat(s.login(g, "hanne"), "47+25", "Ada W.", "Bram D.", "Clio J."))
	unwritten := "document.querySelectorAll('.box:not(.written)').length === 3"
	g.Press("All three right").Holds("every row says so", "[...document.querySelectorAll('.row .name')].every((n) => n.innerText.includes('marked right with the others'))").Settle()
	g.Press("Undo").Holds("all three wait again", unwritten).Settle()
	g.Key("y").Holds("written again", "document.querySelectorAll('.box.written').length === 3").Settle()
	g.TabTo("Undo").Key(" ").Holds("undone by the key that presses what has the focus", unwritten).Settle()
	g.Key("y").Holds("and written once more", "document.querySelectorAll('.box.written').length === 3").Settle()
	s.check(g)
	seen, err := s.store.LessonObservations(ctx, s.kept(g).ID)
	if err != nil {
		t.Fatal(err)
	}
	stand := 0
	for _, o := range seen {
		if o.Current && !o.Withdrawn {
			stand++
			if o.Came != book.Default || !o.Right() {
				t.Errorf("written %+v", o)
			}
		}
	}
	if stand != 3 {
		t.Errorf("%d stand of %+v", stand, seen)
	}
	g.Press("Class").See("Plan this lesson").Press("Ada W., 0 days").See("Records, newest first").Press("all ").See("marked right with the others")
}

// A day later, from the child's page: the row opens its correction, the beads
// follow, and what was written first stays in the book.
func TestACorrectionADayLater(t *testing.T) {
	s := loaded(t)
	account, class := s.lead()
	child := store.Learner{ID: uuid.New(), Name: "Quill Z."}
	if err := s.store.AddLearners(ctx, class, []store.Learner{child}, firstDay); err != nil {
		t.Fatal(err)
	}
	s.worked(child.Name, firstDay, "42+25=67", "31+25=56", "21+15=46", "23+64=87")
	s.now = firstDay.Add(24 * time.Hour)
	url, stop := s.serve("127.0.0.1:0")
	t.Cleanup(stop)
	s.url = url
	g := s.sit(laptopWidth, laptopHeight)
	s.login(g, "hanne").See("Thursday 26 November").Press("Class").See("Plan this lesson").Press("Quill Z., 1 day").See("Records, newest first")
	g.Press("addition, no swap: under way with pieces").See("0 of 7 beads")
	g.Press("21 + 15 = 46, correct it").See("Correct a record").See("recorded by "+account.Name).Key(kb.Escape).Holds("nothing was touched", "!document.body.innerText.includes('Correct a record')")
	g.Press("21 + 15 = 46, correct it").See("Correct a record").Key("3").Key("6").Key("n").HoldDown(' ', 30).See("3½ of 7 beads").Settle()
	s.check(g)
	seen, err := s.store.Observations(ctx, child.ID)
	if err != nil || len(seen) != 5 {
		t.Fatalf("%d records, %v", len(seen), err)
	}
	i := slices.IndexFunc(seen, func(o store.Observation) bool { return o.Replaces.Valid })
	if i < 0 || !seen[i].Right() || seen[i].Help != book.Nudged || seen[i].Day != book.DayOf(firstDay) || seen[i].By != account.Name || !seen[i].Current {
		t.Errorf("kept %+v", seen)
	}
}

// Enlarged to twice the size the page scrolls: a record is reached and corrected, and
// the next action stays in sight.
func TestCorrectingAtTwiceTheSize(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth/2, laptopHeight/2)
	next := "(() => { const r = document.querySelector('.foot').getBoundingClientRect(); return r.height > 50 && r.bottom <= innerHeight + 1 })()"
	s.login(g, "hanne").See("No lesson in hand").Holds("the next action on Today", next)
	g.Press("Class").See("days since last seen").Holds("the next action in the class", next).Press("Greta Z., 0 days").See("Records, newest first")
	row := guide.Read[string](g, "document.querySelector('.sum button').getAttribute('aria-label').replace(/\\s+/g, ' ')")
	g.Press(row).See("Correct a record").Holds("the next action", next).Press("shown").Key("1").See("Keep the correction").Key(" ").See("The correction is kept")
	s.check(g)
	seen, err := s.store.Observations(ctx, s.learner("Greta Z."))
	if err != nil || !slices.ContainsFunc(seen, func(o store.Observation) bool { return o.Replaces.Valid && o.Answer == "1" && o.Help == book.Shown }) {
		t.Errorf("not kept, %v", err)
	}
}

// A finished lesson stays on Today for the day, is found by its day later, and
// opens to be corrected.
func TestLessonsByDay(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	workedToTheEnd(atTheMat(s.login(g, "hanne"), "47+25", "Ada W."))
	g.Press("Ada W. right, ").See("Finish the lesson").Settle()
	id := s.kept(g).ID
	g.Key(" ").See("Done today").Press("Ada W. ").See("Who did what").See("Back to Today")
	g.Key("1").See("no answer").Key("6", "2", " ").See("The ten that came up was not added").Settle()
	s.check(g)
	seen, err := s.store.LessonObservations(ctx, id)
	if err != nil || len(seen) != 2 || seen[1].Answer != "62" || !seen[1].Replaces.Valid || s.keptAs(id).Stand != lesson.Ended {
		t.Errorf("kept %+v, %v", seen, err)
	}
	g.Press("Today").See("Done today").Press("Lessons by day").See("the day before").Press("‹ the day before").See("Lessons of yesterday").See("Bram D., Clio J.")
}

// Two guides write the same child at once: the second is told, and keeps both,
// as two runs.
func TestTwoGuidesRecordAtOnce(t *testing.T) {
	s := open(t)
	one, two := s.sit(laptopWidth, laptopHeight), s.sit(laptopWidth, laptopHeight)
	workedToTheEnd(atTheMat(s.login(one, "hanne"), "47+25", "Ada W."))
	id := s.kept(one).ID
	s.login(two, "tilo").Press("open, since").LetGo().Holds("the mat", at("check/1")).Key("w").See("as seen on the mat")
	one.Press("Ada W. right, 72").Settle()
	two.Key("1").See("no answer").Key("6", "2", " ").See("This child already has a record for this problem").See("Hanne").Press("Done twice: keep both").Holds("settled", "!document.querySelector('.conflict')").Settle()
	s.check(one)
	s.check(two)
	seen, err := s.store.LessonObservations(ctx, id)
	if err != nil || len(seen) != 2 || !seen[0].Current || !seen[1].Current || seen[1].Runs != 2 || seen[1].Answer != "62" || seen[0].By != "Hanne" || seen[1].By != "Tilo" {
		t.Errorf("kept %+v, %v", seen, err)
	}
}

// What is written while the server is away waits on the device, over a reload
// too, and is kept once.
func TestRecordsWaitForTheServer(t *testing.T) {
	s := loaded(t)
	url, stop := s.serve("127.0.0.1:0")
	s.url = url
	g := s.sit(laptopWidth, laptopHeight)
	workedToTheEnd(atTheMat(s.login(g, "hanne"), "47+25", "Ada W.", "Bram D.")).Settle()
	s.check(g)
	id := s.kept(g).ID
	stop()
	g.Press("Ada W. right, 72").See("waiting: 1").Holds("it shows as written", "document.querySelectorAll('.box.written').length === 1")
	_, stop = s.serve(strings.TrimPrefix(url, "http://"))
	t.Cleanup(stop)
	g.Reload().See("Who did what").Holds("saved", "document.querySelector('.saved').innerText === 'Saved' && document.querySelectorAll('.box.written').length === 1 && !Object.keys(localStorage).some((k) => k.startsWith('outbox'))")
	s.check(g)
	if seen, err := s.store.LessonObservations(ctx, id); err != nil || len(seen) != 1 || seen[0].Came != book.Marked {
		t.Errorf("kept %+v, %v", seen, err)
	}
}

// A child who leaves the class while the lesson is written up is recorded all
// the same, and that is said; an erased one is not.
func TestAChildWhoHasLeftIsRecorded(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	workedToTheEnd(atTheMat(s.login(g, "hanne"), "47+25", "Ada W.", "Bram D."))
	_, class := s.lead()
	ada, bram := s.learner("Ada W."), s.learner("Bram D.")
	if err := s.store.EraseLearner(ctx, class, bram); err != nil {
		t.Fatal(err)
	}
	g.Press("Bram D. right, 72").See("Nothing about the child is kept")
	if err := s.store.RetireLearner(ctx, class, ada, firstDay); err != nil {
		t.Fatal(err)
	}
	g.Press("Ada W. right, 72").See("Ada W. has left the class: the record stays with what is known.")
	s.check(g)
	if seen, err := s.store.LessonObservations(ctx, s.kept(g).ID); err != nil || len(seen) != 1 || seen[0].LearnerID != ada {
		t.Errorf("kept %+v, %v", seen, err)
	}
}

// A child's page: evidence with what was corrected, a judgement that needs its
// reason, open files, and the one action that asks first.
func TestAChildsPage(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	s.login(g, "hanne").Press("Class").See("Plan this lesson").Press("Greta Z., 0 days").See("Records, newest first").See("Back to pieces and column, adding: one swap, ones")
	g.Press("I see it differently").Press("Save my judgement").See("A judgement needs its reason").Write("because", "was ill, right at the honey stall").Press("Save my judgement").See("because “was ill, right at the honey stall”").See("The teacher’s own judgement, today: secure.")
	s.check(g)
	judged, err := s.store.Overrules(ctx, s.learner("Greta Z."))
	if err != nil || len(judged) != 3 || judged[2].Manner != book.Column || judged[2].State != ladder.Secure {
		t.Errorf("judged %+v, %v", judged, err)
	}
	seen, err := s.store.Observations(ctx, s.learner("Greta Z."))
	if err != nil || len(seen) < 30 {
		t.Fatalf("%d records, %v", len(seen), err)
	}
	mended := seen[0]
	mended.Replaces, mended.ID, mended.Answer, mended.Came = uuid.NullUUID{UUID: seen[0].ID, Valid: true}, uuid.New(), "7", book.Typed
	if err := s.store.Record(ctx, mended, false); err != nil {
		t.Fatal(err)
	}
	g.Reload().See("Records, newest first").Press(fmt.Sprintf("all %d", len(seen)+1)).Holds("what was corrected is struck through", "document.querySelector('tr.old')").Holds("beside what replaced it", "[...document.querySelectorAll('tr')].some((r) => !r.classList.contains('old') && r.innerText.includes('= 7') || r.innerText.includes('=7'))")
	for link, want := range map[string]string{"all as JSON": `"format": "vine-swap-learner"`, "records as CSV": "id,day,stage"} {
		g.Holds("ask for "+link, fmt.Sprintf("(fetch([...document.querySelectorAll('a')].find((a) => a.innerText === %q).href).then((r) => r.text()).then((x) => { window.got = x }), true)", link))
		g.Holds(link, fmt.Sprintf("window.got?.includes(%q)", want))
	}
	id := s.learner("Greta Z.")
	g.Press("erase …").See("cannot be brought back").Press("Keep everything").Holds("closed", "!document.querySelector('dialog[open]')").Press("erase …").Press("Erase Greta Z.").See("days since last seen")
	s.check(g)
	if seen, err = s.store.Observations(ctx, id); err != nil || len(seen) != 0 {
		t.Errorf("%d records of an erased child, %v", len(seen), err)
	}
	g.Press("Orchard room").Press("People").See("21 children").See("One child was erased.")
}

// People: a pasted list, a name twice, leaving and coming back, and an
// invitation that works once.
func TestPeople(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	s.login(g, "hanne").Press("Orchard room").Press("People").See("22 children")
	g.Write("First name and initial, or a pasted list", "Quill Z., Wren A.").Press("Add 2 children").See("“Wren A.” is already in the class").Holds("typed text stays", "document.getElementById('names').value === 'Quill Z., Wren A.'")
	g.Write("First name and initial, or a pasted list", "Quill Z., Sorrel K.").Press("Add 2 children").See("24 children")
	g.Press("Sorrel K.").Write("Name in this class", "Ada W.").Press("Rename").See("“Ada W.” is already in the class").Write("Name in this class", "Sorrel B.").Press("Rename").Holds("renamed", "[...document.querySelectorAll('.children .name')].some((b) => b.innerText === 'Sorrel B.')")
	g.Press("Quill Z.").Press("leaves the class").See("Quill Z. has left the class").See("23 children").Press("Undo").See("24 children")
	g.Press("Quill Z.").Press("leaves the class").See("Left the class").Press("bring back").See("24 children")
	g.Press("Invite an assistant").See("works once").Settle()
	link := guide.Read[string](g, "document.getElementById('link').value")
	s.check(g)
	if strings.Contains(link, "undefined") || !strings.HasPrefix(link, s.url+"/#/join/") {
		t.Fatalf("the link is %q", link)
	}
	g.Reload().See("Invitations that can still be used").See("somebody who presents and records").Holds("the link is not shown again", "!document.getElementById('link')").Press("Settings").Press("Log out").See("Log in")
	g.Open("about:blank").Open(link).See("Join Orchard room").Write("Your name", "Ilse").Write("Email", "ilse@vineswap.test").Write("Choose a password", "short").Press("Join").See("The password is too short")
	g.Write("Choose a password", "honey-and-plums").Press("Join").See("24 children")
	s.check(g)
	_, class := s.lead()
	members, err := s.store.Members(ctx, class)
	if err != nil || !slices.ContainsFunc(members, func(m store.Member) bool { return m.Name == "Ilse" && m.Role == store.Assistant }) {
		t.Errorf("members %+v, %v", members, err)
	}
	g.Open("about:blank").Open(link).See("cannot be used any more")

	// Whoever leads both rooms moves a child, and what is known goes along.
	both := s.sit(laptopWidth, laptopHeight)
	known, err := s.store.Observations(ctx, s.learnerOf("orla", "Bea K."))
	if err != nil || len(known) < 30 {
		t.Fatalf("%d records, %v", len(known), err)
	}
	bea := s.login(both, "orla").Press("Bee room").Press("People").See("24 children").Press("Bea K.").Press("moves to Orchard room").See("23 children")
	bea.Press("Settings").Press("Go to Orchard room").See("25 children").Press("Class").See("days since last seen").Press("Bea K., 0 days").See("Records, newest first").See(fmt.Sprintf("all %d", len(known)))
	s.check(both)
	if e, err := s.store.LatestEnrolment(ctx, class, s.learner("Bea K.")); err != nil || e.Until.Valid {
		t.Errorf("%+v, %v", e, err)
	}
}

// A lesson that ended without being written up waits on Today, and is written
// then under its own day.
func TestWritingUpAfterwards(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	s.login(g, "hanne").See("Still to write up").Press("yesterday: Bram D., Clio J.").See("as seen on the mat").Press("Bram D. right, ").Holds("one written", "document.querySelectorAll('.box.written').length === 1")
	g.Key("2").See("nothing to record").Press("nothing to record").Holds("both settled", "document.querySelectorAll('.box.written').length === 2").Settle()
	s.check(g)
	kept := s.kept(g)
	seen, err := s.store.LessonObservations(ctx, kept.ID)
	if err != nil || len(seen) != 2 || seen[0].Day != book.DayOf(firstDay)-1 || !seen[1].Withdrawn || kept.Stand != lesson.Ended {
		t.Errorf("kept %+v, %v", seen, err)
	}
	g.Key(" ").See("Wednesday 25 November").Holds("nothing waits", "!document.body.innerText.includes('Still to write')")
}

// In the class the arrow keys move from leaf to leaf, and the column that is
// pointed at is wide enough to be touched.
func TestTheClassByKeys(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	s.login(g, "orla").Press("Class").See("Plan this lesson").Holds("the whole class", "document.querySelectorAll('thead th[scope=col]').length === 24 && document.querySelectorAll('tbody tr').length === 11")
	g.Holds("on the first leaf", "(document.querySelector('[role=gridcell][tabindex=\"0\"]').focus(), document.activeElement.id === 'leaf-0-0')")
	g.Key(kb.ArrowRight, kb.ArrowUp, kb.ArrowUp).Holds("two stages up, one child on", "document.activeElement.id === 'leaf-1-2'")
	g.Holds("wide enough", "document.activeElement.getBoundingClientRect().width >= 44").Holds("its reason stands in the book", "document.querySelector('.book .one h1').innerText === document.activeElement.getAttribute('aria-label').split(',')[0]")
	g.Key(kb.Enter).See("Records, newest first")
	g.Press("Class").Press("days since last seen").See("more than a week").Press("subtraction").See("across one zero").Press("nearest stage").Holds("grouped by the stage", "document.querySelector('.groups').innerText.length > 4")
}
