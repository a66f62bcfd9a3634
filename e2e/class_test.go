package e2e_test

import (
	"fmt"
	"net"
	"strings"
	"testing"

	"github.com/google/uuid"

	"vineswap/core/book"
	"vineswap/core/lesson"
	"vineswap/core/material"
	"vineswap/core/number"
	"vineswap/core/opener"
	"vineswap/core/place"
	"vineswap/core/say"
	"vineswap/core/task"
	"vineswap/core/trace"
	"vineswap/e2e/guide"
	"vineswap/store"
)

// forAll puts a lesson for the whole Orchard room into the lead's hand.
func (s school) forAll(items ...lesson.Item) store.Lesson {
	s.Helper()
	lead, class := s.lead()
	all, err := s.store.Learners(ctx, class)
	if err != nil {
		s.Fatal(err)
	}
	ids := make([]string, len(all))
	for i, l := range all {
		ids[i] = l.ID.String()
	}
	l, err := lesson.ForAll(items, material.Beads, ids)
	if err != nil {
		s.Fatal(err)
	}
	return s.taken(store.Lesson{Lesson: l, ID: uuid.New(), ClassID: class, OpenedBy: lead.ID, ChangedAt: s.now})
}

func (s school) taken(l store.Lesson) store.Lesson {
	s.Helper()
	if err := s.store.AddLesson(ctx, l); err != nil {
		s.Fatal(err)
	}
	return s.keptAs(l.ID)
}

// flashes are numbers that are flashed on the rack of 100.
func flashes(numbers ...place.Number) []lesson.Item {
	var items []lesson.Item
	for _, n := range numbers {
		a := number.Asked{Number: n, Shown: number.Rack100, Answered: number.Write}
		items = append(items, lesson.Item{Task: a.Task(), Stage: number.StageOf(a), Flash: &opener.Flash{Tenths: 10, Times: 1}})
	}
	return items
}

// window opens the lead's window at the projector.
func (s school) window(width, height int64) *guide.Guide {
	s.Helper()
	lead, class := s.lead()
	code := "beehut23"
	if err := s.store.SetProjectorCode(ctx, store.Projector{AccountID: lead.ID, ClassID: class, Code: code, Pass: strings.Repeat("p", 43)}); err != nil {
		s.Fatal(err)
	}
	return s.sit(width, height).Open(s.url+"/#/show").Write("The code on the teacher’s screen", code).Press("Open the window").Holds("the window", "document.querySelector('[data-window]') && !document.querySelector('#code')")
}

// A warm-up of 24: the pace goes by one key, three slates are not right, one child explains;
// it takes five touches and some figures, and all of it is in the children's records.
func TestARoundOf24(t *testing.T) {
	s := open(t)
	_, class := s.lead()
	for _, name := range []string{"Zed A.", "Zia B."} {
		if err := s.store.AddLearner(ctx, class, store.Learner{ID: uuid.New(), Name: name}, firstDay.AddDate(0, -1, 0)); err != nil {
			t.Fatal(err)
		}
	}
	l := s.forAll(flashes(24, 51)...)
	g := s.sit(laptopWidth, laptopHeight)
	s.login(g, "hanne").Press("Slates").See("24 children have not explained today, 16 of them not this week").See("Show it, 1 s, once")
	g.Holds("touches are counted", "(window.touches = 0, window.addEventListener('pointerdown', () => window.touches++), true)")
	g.Key(" ").See("Show it again").Key(" ").See("Slates up").Key(" ").See("Lay flat, not wiped").See("24 of 24")
	seat := func(name string) string {
		return fmt.Sprintf("document.querySelector('[data-seat=\"%s\"]')", s.learner(name))
	}
	touch := func(name string) { g.Press("24 " + name) }
	touch("Jory P.")
	g.Key("4", "2").Holds("another answer", seat("Jory P.")+".dataset.mark === 'gave'").See("the digits were written in reverse")
	touch("Greta Z.")
	g.Key("1", "4").Holds("another one", seat("Greta Z.")+".dataset.mark === 'gave'").See("22 of 24")
	touch("Pia L.")
	g.Press("not read").Holds("not read", seat("Pia L.")+".dataset.mark === 'not-read'").See("21 of 24")
	g.Press("Lay flat").See("explains")
	if n := guide.Read[int](g, "window.touches"); n != 5 {
		t.Errorf("%d touches for three exceptions", n)
	}
	// A reload loses nothing of what was touched.
	g.Reload().See("21 of 24").Holds("read still", seat("Jory P.")+".dataset.mark === 'gave'")
	// The right figures, typed, are right too.
	touch("Teo B.")
	g.Key("2").Holds("another one so far", seat("Teo B.")+".dataset.mark === 'gave'").Key("4").Holds("right", seat("Teo B.")+".dataset.mark === 'right'")
	first := guide.Read[string](g, "document.querySelector('.turn .kid').innerText")
	g.Key("p").See(first) // the first is passed by, the next one has the turn
	second := guide.Read[string](g, "document.querySelector('.turn .kid').innerText")
	g.Key(" ").See("How it was seen").Press("tens then ones").Holds("named", "document.querySelector('[aria-pressed=true].ways, .ways [aria-pressed=true]')")
	g.Key(" ").See("Look at row 1").Key(" ", " ", " ", " ", " ").See("Say it back").Key(" ").See("Wipe").Key(" ").See("On to 51").Key(" ").Holds("the next one", "document.querySelector('[aria-current=step]')?.innerText === 'look'").See("Show it, 1 s, once").Settle()
	s.check(g)
	rounds, err := s.store.Rounds(ctx, l.ID)
	if err != nil || len(rounds) != 1 || len(rounds[0].Slates) != 24 {
		t.Fatalf("%+v, %v", rounds, err)
	}
	if turns := rounds[0].Turns; len(turns) != 2 || turns[0].Took || turns[0].LearnerID != s.learner(first) || !turns[1].Took || turns[1].LearnerID != s.learner(second) || turns[1].Way != book.TensThenOnes {
		t.Errorf("%s is passed by, %s explains: %+v", first, second, turns)
	}
	seen, err := s.store.LessonObservations(ctx, l.ID)
	if err != nil || len(seen) != 23 {
		t.Fatalf("%d records, %v", len(seen), err)
	}
	for _, o := range seen {
		want, came := "24", book.Default
		switch o.LearnerID {
		case s.learner("Jory P."):
			want, came = "42", book.Typed
		case s.learner("Greta Z."):
			want, came = "14", book.Typed
		case s.learner("Pia L."):
			t.Error("a slate that nobody read is a record")
		case s.learner(second), s.learner("Teo B."):
			came = book.Marked
		}
		if o.Answer != want || o.Came != came || o.Manner != book.Drawn {
			t.Errorf("%s, %s, %s", o.Answer, o.Came, o.Manner)
		}
	}
	// The child's page tells of it.
	g.Open(s.url + "/#/" + class.String() + "/learner/" + s.learner("Jory P.").String()).See("42 instead of 24")
}

// A row of openers is put together, kept, and run with one key; the class's window shows a
// flash for its time, covers it, and follows to the end.
func TestARowOfOpeners(t *testing.T) {
	s := open(t)
	_, class := s.lead()
	g, w := s.sit(laptopWidth, laptopHeight), s.window(1280, 720)
	s.login(g, "hanne").Press("Openers").See("A row is a few short openers")
	g.Press("flashes").See("What is shown").Press("2").Press("0.5").Press("a card of your own").See("What is said to the class").Write("What is said to the class", "Say a number that hides its ten.")
	g.Press("spot the slip").See("may be planted").Write("Name of this row", "Tuesday").Press("Keep the row").See("Kept").Settle()
	s.check(g)
	rows, err := s.store.OpenerRows(ctx, class)
	if err != nil || len(rows) != 3 || rows[2].Name != "Tuesday" || len(rows[2].Openers) != 3 || rows[2].Openers[0].Flash.Tenths != 5 || rows[2].Openers[1].Text != "Say a number that hides its ten." {
		t.Fatalf("%+v, %v", rows, err)
	}
	g.LetGo().Key(" ").See("Show it, 0.5 s, once")
	w.Holds("covered", "document.querySelector('[data-covered]')").Holds("the changes are noted", `(window.shown = [], new MutationObserver(() => window.shown.push([document.querySelector('[data-window]').dataset.flash, performance.now()])).observe(document.querySelector('[data-window]'), { attributes: true, attributeFilter: ['data-flash'] }), true)`)
	g.Key(" ").See("Show it again")
	w.Holds("shown and covered", "window.shown.length === 2 && document.querySelector('[data-covered]')").See("What did you see?")
	g.Key("s", "s", "s") // whatever is touched, light changes slowly
	w.Holds("shown again", "window.shown.length >= 4 && document.querySelector('[data-covered]')")
	times := guide.Read[[]float64](w, "window.shown.map((x) => x[1])")
	for i := range times {
		within := 0
		for _, other := range times[i:] {
			if other-times[i] < 1000 {
				within++
			}
		}
		if within > 3 {
			t.Errorf("%d changes of light within a second", within)
		}
	}
	g.Key(" ").See("Slates up")
	w.See("Write it down.")
	g.Key(" ", " ", " ").See("Count together").Key(" ")
	w.Holds("counted", "document.querySelector('[data-window] [data-rack]')")
	g.Press("Go to card").See("Say a number that hides its ten.")
	w.See("Say a number that hides its ten.")
	g.Key(" ", " ").See("Which one has a slip?")
	w.Holds("three examples", "document.querySelectorAll('[data-example]').length === 3").See("Which one has a slip?")
	g.Key(" ", " ").See("Show the slip").Key(" ").See("Keep and finish").Key(" ").See("No lesson in hand").Settle()
	w.Holds("nothing any more", "!document.querySelector('.says')")
	s.check(g)
	s.check(w)
}

// Two servers on one database, and two browsers: the window at the one follows the guide at the
// other, though it loses its connection at every step.
func TestTheWindowLosesItsConnection(t *testing.T) {
	s := open(t)
	s.forAll(flashes(24, 51, 67)...)
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		t.Fatal(err)
	}
	address := l.Addr().String()
	l.Close()
	far := s
	var stop func()
	far.url, stop = s.serve(address)
	g, w := s.sit(laptopWidth, laptopHeight), far.window(1280, 720)
	s.login(g, "hanne").Press("Slates").See("Show it, 1 s, once")
	w.Holds("look", pace("look"))
	for _, step := range []string{"write", "show", "flat", "explain"} {
		stop()
		w.See("Connecting again")
		g.Press(map[string]string{"write": "write", "show": "show", "flat": "lay flat", "explain": "one explains"}[step]).Settle()
		_, stop = s.serve(address)
		w.Holds("caught up with "+step, pace(step)).Holds("connected", "!document.body.innerText.includes('Connecting')")
		s.check(g)
		s.check(w)
	}
	stop()
}

func pace(p string) string {
	return fmt.Sprintf("document.querySelector('[data-window]')?.dataset.pace === %q", p)
}

// Seats are moved by touch and by arrows, and kept; a child is away by one touch; the key that
// hides names hides them.
func TestSeats(t *testing.T) {
	s := open(t)
	_, class := s.lead()
	s.forAll(flashes(24)...)
	g := s.sit(laptopWidth, laptopHeight)
	s.login(g, "hanne").Press("Slates").See("Show it, 1 s, once").Press("Move the seats").See("Seats are right")
	g.Press("Ada W.").Press("free: column 7, row 2").Settle()
	g.Holds("moved", seatAt(s, "Ada W.", 6))
	g.Drag("Ada W.", "free: column 7, row 3").Holds("dragged", "document.querySelector('[aria-label=\"free: column 7, row 2\"]')").Settle()
	g.Press("Bram D.").Holds("Bram is taken up", "document.querySelector('[data-seat][aria-pressed=true]')")
	g.Press("Clio J.").Holds("they changed places", seatAt(s, "Bram D.", 2)).Settle().Press("Seats are right").See("Move the seats")
	s.check(g)
	plan, _, err := s.store.SeatPlan(ctx, class)
	at := map[uuid.UUID][2]int{}
	for _, seat := range plan {
		at[seat.LearnerID] = [2]int{seat.X, seat.Y}
	}
	if err != nil || at[s.learner("Ada W.")] != [2]int{6, 2} || at[s.learner("Bram D.")] != [2]int{2, 0} || at[s.learner("Clio J.")] != [2]int{1, 0} {
		t.Errorf("Ada %v, Bram %v, Clio %v, %v", at[s.learner("Ada W.")], at[s.learner("Bram D.")], at[s.learner("Clio J.")], err)
	}
	g.Press("Esme Q., ").Key("a").Holds("an empty chair", "document.querySelector('[data-mark=away]')").Settle()
	g.Key("h").Holds("names are hidden", "getComputedStyle(document.querySelector('[data-seat] .kid')).color === 'rgba(0, 0, 0, 0)'").Press("Class").See("Names, slips and notes are hidden here").Press("Show them again").See("days since last seen")
	s.check(g)
}

// seatAt tells in which column a child sits, by where its seat lies.
func seatAt(s school, name string, column int) string {
	return fmt.Sprintf("[...document.querySelectorAll('[data-seat]')].filter((e) => e.dataset.seat === %q).every((e) => Math.round((e.offsetLeft - e.parentElement.offsetLeft) / e.parentElement.clientWidth * 8) === %d)", s.learner(name), column)
}

// Any task of Numbers can be shown to the whole class.
func TestNumbersForTheWholeClass(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	s.login(g, "hanne").Press("Numbers").See("Twelve of them").Write("Numbers of your own", "47+25").Press("Look").Holds("looked", "document.querySelector('[data-live]').innerText.startsWith('47+25')").Press("Gather").See("Who comes?").Press("The whole class, with slates").See("All write").Settle()
	g.Press("show").See("22 of 22").Press("72 Jory P.").Key("6", "2").See("the ten that came up").Settle()
	s.check(g)
	if kept := s.kept(g); !kept.Whole || len(kept.Children) != 22 || kept.Stand != lesson.OnTheMat {
		t.Errorf("%+v", kept.Lesson)
	}
}

// tasksOf are tasks of every kind and scene, the largest of each.
var tasksOf = []string{
	"4999+4999", "899+798+789+897+988+799", "9999*9", "9999/8", "999:7", "5003-1264", "123456+654321", "9357 pieces cards", "473906 said cards", "43 crowd ring 5", "100 crowd ring 5", "45 sticks count-back", "30 frames say", "19 covered count-on", "40 handful write 3",
	"99 drawn say", "9999 drawn say", "10 things say", "999999 word write", "99 word pick", "17 numeral match", "1000 kinds say", "1000 ten-of say", "34 riddle write", "9342,9324,9432,9243,9234 pieces order", "473906,473960 numeral sign", "386,275 cards join", "347 numeral rename 3", "100 rack-100 say", "97 numeral push", "20 rack-20 write", "10 fingers say", "99 bundles say",
	"5,2,8,8,5,6,3,9,4,7", "9,8,9,8,7,9,8,7,6,9,8,7,6,5,9,8,7,6,5,9", "chain 10", "chain 7", "chain 10 to 1000", "9s in 81", "10s in 100", "100s in 1000", "rods to 10", "rods 4 and 6", "rods 7 to 10",
}

// Every mat that there is stands in the class's window at its fullest: nothing is cut off or
// lies on anything else, and the sentence is large enough for the last row.
func TestEveryMatInTheWindow(t *testing.T) {
	s := open(t)
	w := s.window(1280, 720)
	lead, class := s.lead()
	for _, text := range tasksOf {
		work, err := task.Parse(text)
		if err != nil {
			t.Errorf("%s: %v", text, err)
			continue
		}
		tr, err := trace.Of(work, trace.Method{})
		if err != nil {
			t.Fatal(err)
		}
		l, err := lesson.New([]lesson.Item{{Task: work}}, material.Beads, nil)
		if err != nil {
			t.Fatal(err)
		}
		stand := lesson.OnTheMat
		for _, step := range []int{fullest(tr), len(tr.Steps) - 1} {
			if l, err = l.With(lesson.Change{Stand: &stand, At: &tr.Steps[step].At}); err != nil {
				t.Fatal(err)
			}
			kept := s.taken(store.Lesson{Lesson: l, ID: uuid.New(), ClassID: class, OpenedBy: lead.ID, ChangedAt: s.now})
			w.Holds(text, fmt.Sprintf("document.querySelector('[data-window]')?.dataset.at === %q && document.querySelector('[data-window]').dataset.lesson === %q && document.querySelector('[data-said]')?.innerText.trim()", tr.Steps[step].At.String(), kept.ID))
			for _, at := range [][2]int64{{1280, 720}, {1920, 1080}} {
				w.Turned(at[0], at[1])
				for _, fault := range guide.Read[[]string](w, walk) {
					t.Errorf("%s, %s, %d: %s", text, tr.Steps[step].At, at[1], fault)
				}
				if size := guide.Read[float64](w, "parseFloat(getComputedStyle(document.querySelector('[data-said]')).fontSize) / innerHeight"); size < .05 {
					t.Errorf("%s, %d: the sentence is %.3f of the height", text, at[1], size)
				}
			}
			s.check(w)
		}
	}
}

// What a class is to look at in a round stands in its window, whatever the task; what is heard
// is not read there.
func TestWhatTheClassLooksAt(t *testing.T) {
	s := open(t)
	w := s.window(1280, 720)
	for _, text := range append([]string{"34 word push", "8 numeral push", "17 word lay", "47 numeral lay", "52 expanded write", "52 units write", "63 numeral expanded", "63 numeral how-many", "8 fingers write", "7 rack-10 to-ten", "47 numeral draw", "12 pieces write", "473906 said write"}, tasksOf...) {
		work, err := task.Parse(text)
		if err != nil {
			t.Errorf("%s: %v", text, err)
			continue
		}
		l := s.forAll(lesson.Item{Task: work})
		w.Holds(text, fmt.Sprintf("document.querySelector('[data-window]')?.dataset.lesson === %q && document.querySelector('[data-said]')?.innerText.trim()", l.ID))
		says := strings.ReplaceAll(guide.Read[string](w, "document.querySelector('[data-window]').innerText"), "\n", "")
		if asked, of := number.From(work); of && len(asked.Numbers()) == 1 {
			if given := (say.Words{}).Given(asked); strings.Contains(says, given) != (asked.Shown != number.Said) {
				t.Errorf("%s: the class reads %q", text, says)
			}
		}
		for _, fault := range guide.Read[[]string](w, walk) {
			t.Errorf("%s: %s", text, fault)
		}
	}
	s.check(w)
}

// fullest is the step at which the most pieces lie on the mat.
func fullest(tr trace.Trace) int {
	most, at := -1, 0
	for i, s := range tr.Steps {
		n := 0
		for _, zone := range s.Zones {
			for _, k := range zone.Pieces {
				n += int(k)
			}
		}
		if n > most {
			most, at = n, i
		}
	}
	return at
}
