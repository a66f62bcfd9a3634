package e2e_test

import (
	"context"
	"fmt"
	"net/http"
	"net/http/httptest"
	"net/http/httputil"
	"net/url"
	"strings"
	"sync/atomic"
	"testing"

	"github.com/chromedp/chromedp/kb"
	"github.com/google/uuid"

	"vineswap/core/book"
	"vineswap/pgtest"
	"vineswap/store"
)

// between is a proxy before the server, and what it does with writes.
type between struct {
	URL  string
	does atomic.Value // one of the manners below
	seen atomic.Int64 // writes that were asked for while it was in the way
}

const (
	passes  = "lets everything through"
	badGate = "answers with a page of its own and the status 502"
	portal  = "answers with a page of its own and the status 200"
	loses   = "lets requests through and loses the answers"
	tooMany = "says that there are too many"
)

// behind puts a proxy before a server, for the length of a test.
func (s school) behind(server string) *between {
	s.Helper()
	to, err := url.Parse(server)
	if err != nil {
		s.Fatal(err)
	}
	b := &between{}
	b.does.Store(passes)
	on := httputil.NewSingleHostReverseProxy(to)
	on.Transport = &http.Transport{DisableKeepAlives: true} // a connection for each request: none is ended under another one
	on.ErrorHandler = func(w http.ResponseWriter, _ *http.Request, _ error) { w.WriteHeader(http.StatusBadGateway) }
	srv := httptest.NewServer(http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		does := b.does.Load()
		if r.Method == http.MethodGet || does == passes {
			on.ServeHTTP(w, r)
			return
		}
		b.seen.Add(1)
		page := func(status int) {
			w.Header().Set("Content-Type", "text/html")
			w.WriteHeader(status)
			fmt.Fprint(w, "<h1>The gate says something</h1>")
		}
		switch does {
		case badGate:
			page(http.StatusBadGateway)
		case portal:
			page(http.StatusOK)
		case tooMany:
			w.Header().Set("Content-Type", "application/problem+json")
			w.WriteHeader(http.StatusTooManyRequests)
			fmt.Fprint(w, `{"type":"about:blank","title":"Too many","status":429}`)
		case loses:
			on.ServeHTTP(httptest.NewRecorder(), r)
			panic(http.ErrAbortHandler)
		}
	}))
	s.Cleanup(srv.Close)
	b.URL = srv.URL
	return b
}

// rows are the records of a lesson.
func (s school) rows(id uuid.UUID) []store.Observation {
	s.Helper()
	seen, err := s.store.LessonObservations(context.Background(), id)
	if err != nil {
		s.Fatal(err)
	}
	return seen
}

const (
	noneWaits = "document.querySelector('.saved').innerText === 'Saved' && !Object.keys(localStorage).some((k) => k.startsWith('outbox'))"
	twoWrite  = "document.querySelectorAll('.box.written').length === 2"
)

// Whatever stands between the touch and the row, and however it fails, two children
// who were marked are two rows in the end, each once, and at no moment is it said that
// they are saved while they are not.
func TestWhateverStandsBetweenTouchAndRow(t *testing.T) {
	t.Parallel()
	for _, does := range []string{badGate, portal, loses, tooMany} {
		t.Run(does, func(t *testing.T) {
			s := open(t)
			b := s.behind(s.url)
			s.url = b.URL
			g := s.sit(laptopWidth, laptopHeight)
			workedToTheEnd(atTheMat(s.login(g, "hanne"), "47+25", "Ada W.", "Bram D.")).Settle()
			s.check(g)
			id := s.kept(g).ID
			b.does.Store(does)
			g.Press("Ada W. right, 72").Press("Bram D. right, 72").See("waiting: 2").Holds("both show as written", twoWrite)
			g.Press("waiting: 2").See("Ada W., 47 + 25 = 72").See("Kept on this device").Press("Close")
			s.check(g)
			if n := len(s.rows(id)); does != loses && n != 0 || b.seen.Load() == 0 {
				t.Errorf("%d rows while the gate stood in the way, which saw %d", n, b.seen.Load())
			}
			// Another view, then a new start of the browser: it is sent from there.
			g.Press("Class").See("Plan this lesson").See("waiting: 2").Open("about:blank").Open(b.URL).See("waiting: 2")
			b.does.Store(passes)
			g.Holds("sent from another view", noneWaits)
			s.check(g)
			if seen := s.rows(id); len(seen) != 2 || seen[0].LearnerID == seen[1].LearnerID || !seen[0].Right() {
				t.Errorf("kept %+v", seen)
			}
		})
	}
}

// The database stops in the middle of a lesson: steps and records wait, are said to
// wait, and are kept in their order when it is back.
func TestTheDatabaseStopsMidLesson(t *testing.T) {
	s := loaded(t)
	link := pgtest.Between(t, s.db)
	near := s.db
	s.db = link.URL
	var stop func()
	s.url, stop = s.serve("127.0.0.1:0")
	t.Cleanup(stop)
	s.db = near
	g := s.sit(laptopWidth, laptopHeight)
	workedToTheEnd(atTheMat(s.login(g, "hanne"), "47+25", "Ada W.", "Bram D.")).Settle()
	s.check(g)
	id := s.kept(g).ID
	link.Cut()
	g.Press("Ada W. right, 72").See("waiting: 1").Key("2").See("no answer").Key("6", "2", " ").See("waiting: 2").Holds("both show as written", twoWrite)
	g.Press("Finish the lesson").See("waiting: 3")
	s.check(g)
	link.Mend()
	g.Holds("all of it is kept", noneWaits)
	s.check(g)
	if seen := s.rows(id); len(seen) != 2 || seen[0].Answer != "72" || seen[1].Answer != "62" || seen[0].Seq > seen[1].Seq {
		t.Errorf("kept %+v", seen)
	}
	if l := s.keptAs(id); l.Stand != "ended" {
		t.Errorf("the lesson is %s", l.Stand)
	}
}

// A week lies between the touch and the row: the record keeps its day and its time, and
// waits behind a log-in that has run out. Only who wrote it sends it.
func TestAWeekBetweenTouchAndRow(t *testing.T) {
	s := loaded(t)
	url, stop := s.serve("127.0.0.1:0")
	s.url = url
	g := s.sit(laptopWidth, laptopHeight)
	workedToTheEnd(atTheMat(s.login(g, "hanne"), "47+25", "Ada W.", "Bram D.")).Settle()
	s.check(g)
	id := s.kept(g).ID
	stop()
	g.Press("Ada W. right, 72").See("waiting: 1").Open("about:blank")
	s.check(g)
	pgtest.Exec(t, s.db, "delete from session")
	s.now = firstDay.AddDate(0, 0, 7)
	_, stop = s.serve(strings.TrimPrefix(url, "http://"))
	t.Cleanup(stop)

	// Somebody else logs in on this device: what another one wrote stays where it is.
	s.login(g, "tilo").See("Wednesday 2 December").Holds("nothing of another's", "document.querySelector('.saved').innerText === 'Saved' && Object.keys(localStorage).some((k) => k.startsWith('outbox'))")
	s.check(g)
	if n := len(s.rows(id)); n != 0 {
		t.Errorf("%d rows sent by somebody else", n)
	}
	g.Press("Orchard room").Press("Log out").See("Log in")
	s.login(g, "hanne").See("Wednesday 2 December").Holds("sent", noneWaits)
	s.check(g)
	if seen := s.rows(id); len(seen) != 1 || seen[0].Day != book.DayOf(firstDay) || seen[0].By != "Hanne" {
		t.Errorf("kept %+v", seen)
	}
}

// What the server refuses because of what it says stays in sight with its reason, until
// somebody decides; what comes after it is sent.
func TestARefusedRecordStaysInSight(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	workedToTheEnd(atTheMat(s.login(g, "tilo"), "47+25", "Ada W.", "Bram D.")).Settle()
	s.check(g)
	id := s.kept(g).ID
	_, class := s.lead()
	ada, bram := s.learner("Ada W."), s.learner("Bram D.")
	if err := s.store.RetireLearner(ctx, class, ada, firstDay); err != nil {
		t.Fatal(err)
	}
	g.Press("Ada W. right, 72").See("refused: 1").See("This child has left the class").Press("Bram D. right, 72").Settle()
	g.Press("Class").See("Plan this lesson").See("refused: 1").Reload().See("refused: 1").Press("refused: 1").See("Ada W., 47 + 25 = 72").See("Only the lead of the class can still record it")
	g.Press("Send it again").See("Only the lead").See("refused: 1")
	s.check(g)
	if seen := s.rows(id); len(seen) != 1 || seen[0].LearnerID != bram {
		t.Errorf("kept %+v", seen)
	}
	if err := s.store.ReturnLearner(ctx, class, ada); err != nil {
		t.Fatal(err)
	}
	g.Press("Send it again").Holds("kept", noneWaits)
	s.check(g)
	if n := len(s.rows(id)); n != 2 {
		t.Errorf("%d rows", n)
	}
}

// Records of a child who is erased while they wait are taken off the device, and how
// many is said.
func TestWaitingRecordsOfAnErasedChild(t *testing.T) {
	s := open(t)
	b := s.behind(s.url)
	s.url = b.URL
	g := s.sit(laptopWidth, laptopHeight)
	workedToTheEnd(atTheMat(s.login(g, "hanne"), "47+25", "Ada W.", "Bram D.")).Settle()
	s.check(g)
	id := s.kept(g).ID
	b.does.Store(badGate)
	g.Press("Ada W. right, 72").See("waiting: 1").Key("1").See("nothing to record").Key("n").Press("Save").See("waiting: 2").Key(kb.Escape).Press("Bram D. right, 72").See("waiting: 3")
	s.check(g)
	_, class := s.lead()
	if err := s.store.EraseLearner(ctx, class, s.learner("Ada W.")); err != nil {
		t.Fatal(err)
	}
	b.does.Store(passes)
	g.See("erased: 2").Press("erased: 2").See("2 records of a child who was erased were taken off this device").See("Everything is saved").Settle().Press("Close").Holds("nothing is left", noneWaits)
	s.check(g)
	if seen := s.rows(id); len(seen) != 1 {
		t.Errorf("kept %+v", seen)
	}
}

// Without the network every view opens whole: with its style and its words, and what
// cannot be read is said.
func TestViewsOpenWithoutTheNetwork(t *testing.T) {
	s := loaded(t)
	url, stop := s.serve("127.0.0.1:0")
	s.url = url
	g := s.sit(laptopWidth, laptopHeight)
	practise(s.login(g, "hanne"), "47+25").Press("Today").See("in your hand").Holds("all views are here", "performance.getEntriesByType('resource').some((r) => r.name.includes('Access-'))").Settle()
	s.check(g)
	stop()
	for _, view := range []string{"Numbers", "Mat", "Class", "Orchard room"} {
		g.Settle().Press(view).Holds("a whole page", "document.querySelector('header') && getComputedStyle(document.querySelector('header')).display === 'flex' && document.querySelector('.foot, footer, [data-next], .next, button')").See("The server cannot be reached")
	}
	s.check(g)
}

// One's own access: the password, where one is logged in, the end of the account.
func TestAccess(t *testing.T) {
	s := open(t)
	g, other := s.sit(laptopWidth, laptopHeight), s.sit(laptopWidth, laptopHeight)
	s.login(other, "tilo").See("Wednesday 25 November")
	s.login(g, "tilo").Press("Orchard room").Press("Your access").See("Where you are logged in").See("this device")
	g.Write("Your password now", "not-this-one").Write("The new password, at least 10 characters", "honey-and-plums").Press("Change the password").See("This is not your password")
	g.Write("Your password now", demoPassword).Press("Change the password").See("The password is changed").See("Only on this device.")
	other.Reload().See("Log in")
	other.LogIn(s.url, "tilo@vineswap.test", "honey-and-plums").See("Wednesday 25 November")
	g.Press("Class").See("Plan this lesson").Press("Orchard room").Press("Your access").See("Log out on all other devices").Press("Log out on all other devices").See("Only on this device.")
	other.Reload().See("Log in")
	g.Press("Close the account …").See("cannot be undone").Write("Your password", demoPassword).Press("Close the account").See("This is not your password").Write("Your password", "honey-and-plums").Press("Close the account").See("Log in")
	s.check(g)
	s.check(other)
	if _, err := s.store.AccountByEmail(ctx, "tilo@vineswap.test"); err == nil {
		t.Error("the account is still there")
	}
}

// Adults are made less, taken out and un-invited by the lead.
func TestAdultsOfTheClass(t *testing.T) {
	s := open(t)
	_, class := s.lead()
	orla, err := s.store.AccountByEmail(ctx, "orla@vineswap.test")
	if err != nil {
		t.Fatal(err)
	}
	g, vera := s.sit(laptopWidth, laptopHeight), s.sit(laptopWidth, laptopHeight)
	if err := s.store.SetRole(ctx, class, orla.ID, store.Viewer); err != nil {
		t.Fatal(err)
	}
	s.login(vera, "vera").See("You can read everything in this class")
	s.login(g, "hanne").Press("Orchard room").Press("People").See("22 children").Press("Vera").Press("presents and records").Holds("her role", "[...document.querySelectorAll('.who')].some((b) => b.innerText.includes('Vera') && b.innerText.includes('presents and records'))")
	vera.Reload().See("Wednesday 25 November").Holds("she chooses numbers now", "[...document.querySelectorAll('nav a')].some((a) => a.innerText.trim() === 'Numbers')")
	g.Press("Vera").Press("remove from the class").Holds("she is gone", "![...document.querySelectorAll('.who')].some((b) => b.innerText.includes('Vera'))")
	vera.Reload().See("You belong to no class yet")
	g.Press("Hanne").Press("looks on").See("The class would have no lead")
	g.Press("Invite somebody to watch").See("works once").Press("withdraw").Holds("withdrawn", "!document.body.innerText.includes('can still be used')")
	s.check(g)
	s.check(vera)
}
