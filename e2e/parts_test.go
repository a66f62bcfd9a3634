package e2e_test

import (
	"fmt"
	"strings"
	"testing"
	"time"

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

// newcomers adds children of whom nothing is recorded, and has all the others away today.
func (s school) newcomers(names ...string) []store.Learner {
	s.Helper()
	_, class := s.lead()
	all, err := s.store.Learners(ctx, class)
	if err != nil {
		s.Fatal(err)
	}
	for _, l := range all {
		if err := s.store.SetAway(ctx, class, l.ID, book.DayOf(s.now), true); err != nil {
			s.Fatal(err)
		}
	}
	var list []store.Learner
	for _, name := range names {
		l := store.Learner{ID: uuid.New(), Name: name, Told: ladder.ReadsTens}
		if err := s.store.AddLearner(ctx, class, l, firstDay.AddDate(0, -2, 0)); err != nil {
			s.Fatal(err)
		}
		list = append(list, l)
	}
	return list
}

// A lesson of four: each has its place, in Gather, under the column, on the mat and in the
// record; the help is proposed by what the mat saw of each place, and changed by touch; one is
// wrong in its place alone. Four leaves change, each by its own work.
func TestALessonOfFour(t *testing.T) {
	s := open(t)
	four := s.newcomers("Quill Z.", "Roux Y.", "Sage X.", "Thea W.")
	account, class := s.lead()
	var ids []string
	for _, l := range four {
		ids = append(ids, l.ID.String())
	}
	l, err := lesson.New(lesson.Items(choose.SeveralSwaps, problem.SumOf(1458, 2367)), material.Beads, ids)
	if err != nil {
		t.Fatal(err)
	}
	l = l.Deal(func(ladder.Key) []lesson.Lack { return make([]lesson.Lack, len(ids)) })
	kept := store.Lesson{Lesson: l, ID: uuid.New(), ClassID: class, OpenedBy: account.ID, ChangedAt: s.now}
	if err := s.store.AddLesson(ctx, kept); err != nil {
		t.Fatal(err)
	}
	g := s.sit(laptopWidth, laptopHeight)
	s.login(g, "hanne").See("in your hand").Press("Go on").See("works the ones").See("works the thousands").See("goes to the child who has yet to show it").Press("To the mat").See("About how much")
	g.Key(" ").Holds("laid out", at("lay-out/0")).Holds("names under the column", "['Quill Z.', 'Roux Y.', 'Sage X.', 'Thea W.'].every((name) => document.querySelector('.written').innerText.includes(name))")

	// The ones are asked first; the tens are shown at once; at the hundreds the children went
	// on without the mat.
	until(g, "join/0").Press("Ask first").Holds("asking", "document.body.innerText.includes('Show at once')")
	for range 40 {
		if strings.HasPrefix(guide.Read[string](g, "document.querySelector('[data-step]')?.dataset.step"), "work/tens") || g.Err() != nil {
			break
		}
		was := guide.Read[string](g, "document.querySelector('[data-step]').dataset.step + !!document.querySelector('[data-asked]')")
		g.Key(" ").Holds("asked, or shown", fmt.Sprintf("document.querySelector('[data-step]').dataset.step + !!document.querySelector('[data-asked]') !== %q", was))
	}
	g.Holds("Roux has the turn", "document.querySelector('.words .turn').innerText.includes('Roux Y.')").Press("Show at once")
	until(g, "work/tens/3").Key("w").See("Who did what").Settle()
	row := func(n int, says string) {
		g.Holds(says, fmt.Sprintf("document.querySelectorAll('.row:has(.child)')[%d].innerText.replace(/\\s+/g, ' ').includes(%q)", n-1, says))
	}
	row(1, "Quill Z. ones prompted")
	row(2, "Roux Y. tens with help")
	row(3, "Sage X. hundreds alone")
	row(4, "Thea W. thousands alone")

	// Quill did it alone after all; Roux was wrong: 3815, which is right in the ones; Sage
	// did the thousands too, and Thea explained them.
	g.Key("1").See("no answer").See("asked first on the mat").Key("r", "a", " ").Holds("Roux is open", "document.querySelector('.row.open')?.innerText.includes('Roux Y.')")
	g.Key("3", "8", "1", "5", " ").Holds("Sage is open", "document.querySelector('.row.open')?.innerText.includes('Sage X.')")
	g.Press("thousands").Holds("both", "[...document.querySelectorAll('.own [aria-pressed=true]')].map((b) => b.innerText).join() === 'hundreds,thousands'").Key(" ").Holds("Thea is open", "document.querySelector('.row.open')?.innerText.includes('Thea W.')")
	g.Key("e", " ").Holds("four are written", "document.querySelectorAll('.box.written').length === 4").Holds("one is wrong", "document.querySelectorAll('.box.wrong').length === 1").Settle()
	for _, v := range g.Axe(axe(t)) {
		t.Errorf("%s, %s: %v", v.Impact, v.Help, v.Where)
	}
	s.check(g)

	seen, err := s.store.LessonObservations(ctx, kept.ID)
	if err != nil || len(seen) != 4 {
		t.Fatalf("%d records, %v", len(seen), err)
	}
	want := map[uuid.UUID]string{
		four[0].ID: "ones alone true", four[1].ID: "tens together false", four[2].ID: "hundreds thousands alone true", four[3].ID: "thousands explains true",
	}
	for _, o := range seen {
		if got := fmt.Sprint(o.Part, " ", o.Help, " ", o.Right()); got != want[o.LearnerID] {
			t.Errorf("kept %q; want %q", got, want[o.LearnerID])
		}
	}
	key := ladder.Key{Stage: choose.SeveralSwaps, Manner: book.Pieces}
	beads := map[string]ladder.Beads{"Quill Z.": ladder.Bead, "Roux Y.": -ladder.Bead * 3 / 4, "Sage X.": 0, "Thea W.": 0}
	for name, b := range beads {
		if got := s.standing(name, key.Stage); got.Beads != b || got.State != ladder.UnderWay {
			t.Errorf("%s holds %v, %s", name, got.Beads, got.State)
		}
	}
	g.Press("Finish the lesson").See("Wednesday 25 November").Press("Class").See("days since last seen")
	for _, l := range four {
		g.Holds(l.Name+" has a leaf", fmt.Sprintf(`document.querySelector('[role=gridcell][aria-label^="%s, several swaps: under way with pieces"]')`, l.Name))
	}
	g.Press("Quill Z., 0 days").See("the ones: ").See("1 of 7 beads")
	s.check(g)
}

// Secure with pieces, all of it alone: Today proposes one without, as two problems that swap in
// the same places. One is worked with beads, one drawn; the drawn one is wrong, and the child
// is led back to pieces and column with nothing lost.
func TestLeavingThePieces(t *testing.T) {
	s := open(t)
	quill := s.newcomers("Quill Z.")[0]
	s.worked("Quill Z.", firstDay.AddDate(0, 0, -2), "27+45=72", "38+16=54", "29+34=63", "47+26=73")
	s.worked("Quill Z.", firstDay.AddDate(0, 0, -1), "18+35=53", "56+27=83", "49+13=62", "37+58=95")
	g := s.sit(768, 1024)
	s.login(g, "hanne").See("could leave the pieces").See("drawn: try it").See("with pieces: secure").See("The pieces stay in reach.").Holds("eight in a row", "document.querySelectorAll('[data-leaving] .dots i').length === 7")
	for _, v := range g.Axe(axe(t)) {
		t.Errorf("%s, %s: %v", v.Impact, v.Help, v.Where)
	}
	g.Key(" ").See("Who does what").See("Then").See(", drawn").Press("To the mat").See("About how much").Key(" ").Holds("beads", "document.querySelector('[aria-checked=true]')?.innerText.includes('beads')")
	workedToTheEnd(g).Key("1").See("no answer").Key("r", "a", " ").See("On to ").Press("On to ").See("About how much").Key(" ").Holds("drawn", "document.querySelector('[aria-checked=true]')?.innerText.includes('drawings')").Settle()
	workedToTheEnd(g).Holds("drawn", "document.querySelector('.row .small').innerText.includes('drawn')").Key("1").See("no answer").Key("9", "a", " ").See("Finish the lesson").Press("Finish the lesson").See("Wednesday 25 November")
	s.check(g)
	kept, err := s.store.Observations(ctx, quill.ID)
	if err != nil {
		t.Fatal(err)
	}
	var probe []store.Observation
	for _, o := range kept {
		if o.LessonID.Valid {
			probe = append(probe, o)
		}
	}
	if len(probe) != 2 {
		t.Fatalf("%d of the lesson", len(probe))
	}
	a, _ := problem.From(probe[0].Task)
	b, _ := problem.From(probe[1].Task)
	if fmt.Sprint(a.Shows()) != fmt.Sprint(b.Shows()) || a.Key() == b.Key() || probe[0].Day != probe[1].Day {
		t.Errorf("%v and %v", a, b)
	}
	child, err := s.store.StandOf(ctx, s.class(), quill.ID)
	if err != nil {
		t.Fatal(err)
	}
	pieces, drawn := child.Standings[ladder.Key{Stage: choose.OneSwapOnes, Manner: book.Pieces}], child.Standings[ladder.Key{Stage: choose.OneSwapOnes, Manner: book.Drawn}]
	if pieces.State != ladder.Secure || drawn.State != ladder.UnderWay || drawn.Right != 0 {
		t.Errorf("with pieces %s, drawn %s", pieces.State, drawn.State)
	}
	g.See("one swap, ones, with pieces and column").Press("Class").See("Plan this lesson").Press("Quill Z., 0 days").See("Back to pieces and column, adding: one swap, ones")
	s.check(g)
}

// A suggestion is put off by two touches, is gone for the day, can be taken back, and comes
// first on the day after, with why it was put off.
func TestASuggestionIsPutOff(t *testing.T) {
	s := loaded(t)
	url, stop := s.serve("127.0.0.1:0")
	s.url = url
	s.newcomers("Quill Z.", "Roux Y.")
	g := s.sit(390, 844)
	s.login(g, "hanne").See("suggested for")
	const first = "document.querySelector('.bud .stage').innerText"
	stage := guide.Read[string](g, first)
	g.Press("Put off").See("no time").Press("no time").See("Put off for today: ").Holds("another one is first", fmt.Sprintf("document.querySelector('.bud .stage')?.innerText !== %q", stage))
	g.Press("Undo").Holds("it is back", first+fmt.Sprintf(" === %q", stage)).Holds("and nothing is put off", "!document.body.innerText.includes('Put off for today')")
	g.Press("Put off").See("something was missing").Press("something was missing").See("Put off for today: ").Reload().See("Put off for today: ")
	s.check(g)
	_, class := s.lead()
	off, err := s.store.PutOffs(ctx, class)
	if err != nil || len(off) != 1 || len(off[0].Children) != 2 || off[0].Why != "no-pieces" || off[0].On != book.DayOf(firstDay) {
		t.Errorf("kept %+v, %v", off, err)
	}
	stop()
	s.now = firstDay.Add(24 * time.Hour)
	s.url, stop = s.serve(strings.TrimPrefix(url, "http://"))
	t.Cleanup(stop)
	for _, l := range s.here() { // the day begins with everybody here
		if l.Name != "Quill Z." && l.Name != "Roux Y." {
			if err := s.store.SetAway(ctx, class, l.ID, book.DayOf(s.now), true); err != nil {
				t.Fatal(err)
			}
		}
	}
	g.Open("about:blank").Open(s.url).See("Thursday 26 November").See("Put off yesterday: something was missing").Holds("it comes first", first+fmt.Sprintf(" === %q", stage))
	g.Press("Put off yesterday").See("Who does what").Press("Today").See("in your hand").Holds("it is taken up", "!document.body.innerText.includes('Put off yesterday')")
	s.check(g)
	if off, err = s.store.PutOffs(ctx, class); err != nil || len(off) != 0 {
		t.Errorf("still put off: %+v, %v", off, err)
	}
}

// The minutes of the day say which lessons fit; the week back says who was seen when, those
// who were not seen first.
func TestTheDayAndTheWeek(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	s.login(g, "hanne").See("suggested for").Holds("all fit", "!document.querySelector('.bud.waits')")
	set := func(label, value string) {
		g.Holds("set", fmt.Sprintf("(() => { const f = document.querySelector('[aria-label=%q]'); f.value = %q; f.dispatchEvent(new Event('change', { bubbles: true })); return true })()", label, value))
	}
	set("Minutes for lessons", "10")
	g.Holds("the first fits, the last does not", "document.querySelectorAll('.bud:not(.waits)').length >= 1 && document.querySelector('.bud:last-of-type, .bud.waits')").See("does not fit into the day")
	few := guide.Read[int](g, "document.querySelectorAll('.bud:not(.waits)').length")
	set("Adults who help", "1")
	g.Holds("with two adults more fit", fmt.Sprintf("document.querySelectorAll('.bud:not(.waits)').length > %d", few)).Reload().See("suggested for").Holds("kept", "document.querySelector('[aria-label=\"Adults who help\"]').value === '1'")
	g.Press("The week back").See("Wed 25").Holds("all of them", "document.querySelectorAll('tbody tr').length === 22").Holds("the longest not seen first", "document.querySelector('tbody tr').querySelectorAll('svg').length === 0")
	for _, v := range g.Axe(axe(t)) {
		t.Errorf("%s, %s: %v", v.Impact, v.Help, v.Where)
	}
	g.Press("back to this morning").See("suggested for")
	s.check(g)
	if c := s.class(); c.Minutes != 10 || c.Helpers != 1 {
		t.Errorf("kept %d minutes, %d helpers", c.Minutes, c.Helpers)
	}
}

// class is the Orchard room as it is kept.
func (s school) class() store.Class {
	s.Helper()
	_, id := s.lead()
	c, err := s.store.Class(ctx, id)
	if err != nil {
		s.Fatal(err)
	}
	return c
}

// here are the children of the Orchard room.
func (s school) here() []store.Learner {
	s.Helper()
	_, id := s.lead()
	list, err := s.store.Learners(ctx, id)
	if err != nil {
		s.Fatal(err)
	}
	return list
}
