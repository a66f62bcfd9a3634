package e2e_test

import (
	"bufio"
	"context"
	"fmt"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"sync"
	"syscall"
	"testing"
	"time"

	"github.com/google/uuid"

	"vineswap/demo"
	"vineswap/e2e/guide"
	"vineswap/pgtest"
	"vineswap/server"
	"vineswap/store"
)

// The binary and the browser that all tests share.
var (
	binary  string
	browser *guide.Browser
)

func TestMain(m *testing.M) { os.Exit(pgtest.Main(house{m})) }

// house builds the binary and starts the browser around the tests.
type house struct{ m *testing.M }

func (h house) Run() int {
	dir, err := os.MkdirTemp("", "vineswap-e2e-")
	if err != nil {
		return failed(err)
	}
	defer os.RemoveAll(dir)
	binary = filepath.Join(dir, "vineswap")
	if out, err := exec.Command("go", "build", "-o", binary, "vineswap/cmd/vineswap").CombinedOutput(); err != nil {
		return failed(fmt.Errorf("%w: %s", err, out))
	}
	b, stop, err := guide.Start(dir)
	if err != nil {
		return failed(err)
	}
	defer stop()
	browser = b
	return h.m.Run()
}

func failed(err error) int {
	fmt.Fprintln(os.Stderr, "e2e:", err)
	return 1
}

// school is the demo school served by the real binary, with its store to look
// into.
type school struct {
	*testing.T
	store *store.Store
	db    string
	url   string
	now   time.Time // what the server takes for now when it starts
}

// loaded is the school before it opens. It is made up once and copied.
func loaded(t *testing.T) school {
	t.Helper()
	t.Parallel()
	db := pgtest.Copy(t, "demo_school", func(url string) error {
		s, err := store.Open(context.Background(), url)
		if err != nil {
			return err
		}
		defer s.Close()
		return demo.Load(context.Background(), s, server.HashPassword, firstDay)
	})
	return school{T: t, store: pgtest.Open(t, db), db: db, now: firstDay}
}

// firstDay is the morning on which the demo school is loaded: a Wednesday.
var firstDay = time.Date(2026, 11, 25, 8, 30, 0, 0, time.UTC)

// open is the school with its server running until the test ends.
func open(t *testing.T) school {
	t.Helper()
	s := loaded(t)
	var stop func()
	s.url, stop = s.serve("127.0.0.1:0")
	t.Cleanup(stop)
	return s
}

// serve runs the binary on an address and returns where it answers; stop ends
// it, once.
func (s school) serve(address string) (url string, stop func()) {
	s.Helper()
	cmd := exec.Command(binary, "serve")
	cmd.Env = append(os.Environ(), "VINESWAP_DATABASE="+s.db, "VINESWAP_ADDRESS="+address, "VINESWAP_CLOCK="+s.now.Format(time.RFC3339))
	out, err := cmd.StdoutPipe()
	if err != nil {
		s.Fatal(err)
	}
	cmd.Stderr = os.Stderr
	if err := cmd.Start(); err != nil {
		s.Fatal(err)
	}
	line, err := bufio.NewReader(out).ReadString('\n')
	if err != nil {
		s.Fatalf("the server did not start: %v", err)
	}
	words := strings.Fields(line)
	return "http://" + words[len(words)-1], sync.OnceFunc(func() {
		cmd.Process.Signal(syscall.SIGTERM)
		if err := cmd.Wait(); err != nil {
			s.Errorf("the server ended with %v", err)
		}
	})
}

// sit opens a tab that asks for less motion; what fails in it fails the test.
func (s school) sit(width, height int64) *guide.Guide {
	s.Helper()
	return s.sitMoving(width, height).LessMotion()
}

// sitMoving opens a tab in which pieces travel.
func (s school) sitMoving(width, height int64) *guide.Guide {
	s.Helper()
	g, leave := browser.Sit(width, height)
	s.Cleanup(func() {
		if err := g.Err(); err != nil {
			s.Error(err)
		}
		if grumbles := g.Grumbles(); len(grumbles) > 0 {
			s.Errorf("the page complained: %q", grumbles)
		}
		leave()
	})
	return g
}

func (s school) login(g *guide.Guide, name string) *guide.Guide {
	return g.LogIn(s.url, name+"@vineswap.test", demo.Password)
}

// learner finds a child of the Orchard room.
func (s school) learner(name string) uuid.UUID {
	s.Helper()
	return s.learnerOf("hanne", name)
}

// learnerOf finds a child of the first class of an account.
func (s school) learnerOf(account, name string) uuid.UUID {
	s.Helper()
	a, err := s.store.AccountByEmail(context.Background(), account+"@vineswap.test")
	if err != nil {
		s.Fatal(err)
	}
	classes, err := s.store.Memberships(context.Background(), a.ID)
	if err != nil || len(classes) == 0 {
		s.Fatalf("classes %v, %v", classes, err)
	}
	list, err := s.store.Learners(context.Background(), classes[0].ClassID)
	if err != nil {
		s.Fatal(err)
	}
	for _, l := range list {
		if l.Name == name {
			return l.ID
		}
	}
	s.Fatalf("there is no %s", name)
	return uuid.Nil
}

// lead is the account that leads the Orchard room, and that class.
func (s school) lead() (account store.Account, class uuid.UUID) {
	s.Helper()
	account, err := s.store.AccountByEmail(context.Background(), "hanne@vineswap.test")
	if err != nil {
		s.Fatal(err)
	}
	classes, err := s.store.Memberships(context.Background(), account.ID)
	if err != nil || len(classes) != 1 {
		s.Fatalf("classes %v, %v", classes, err)
	}
	return account, classes[0].ClassID
}

// kept reads the lesson whose id stands in the address.
func (s school) kept(g *guide.Guide) store.Lesson {
	s.Helper()
	parts := strings.Split(guide.Read[string](g, "location.hash"), "/")
	id, err := uuid.Parse(parts[len(parts)-1])
	if err != nil {
		s.Fatalf("no lesson in the address %v: %v, %v", parts, err, g.Err())
	}
	return s.keptAs(id)
}

func (s school) keptAs(id uuid.UUID) store.Lesson {
	s.Helper()
	_, class := s.lead()
	l, err := s.store.Lesson(context.Background(), class, id)
	if err != nil {
		s.Fatal(err)
	}
	return l
}

// check ends the test where the guide is stuck: what follows would say nothing.
func (s school) check(g *guide.Guide) {
	s.Helper()
	if g.Err() != nil {
		s.FailNow()
	}
}
