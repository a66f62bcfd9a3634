// Load measures what the server can do beside plain handlers behind the same log-in and
// role checks, in one run on one machine, and keeps the figures. It ends by itself.
package main

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"log/slog"
	"net"
	"os"
	"os/signal"
	"slices"
	"strings"
	"sync"
	"sync/atomic"
	"testing/fstest"
	"time"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"
	"github.com/valyala/fasthttp"

	"vineswap/core/choose"
	"vineswap/core/lesson"
	"vineswap/core/material"
	"vineswap/core/trace"
	"vineswap/figures"
	"vineswap/localpg"
	"vineswap/server"
	"vineswap/store"
	"vineswap/wire"
)

const (
	command  = "make load"
	writers  = 8
	oneRound = 1500 * time.Millisecond
	rounds   = 7
	password = "plums-and-honey"
	email    = "load@vineswap.test"
)

func main() {
	ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt)
	defer stop()
	slog.SetLogLoggerLevel(slog.LevelError)
	if err := run(ctx); err != nil {
		fmt.Fprintln(os.Stderr, "load:", err)
		os.Exit(1)
	}
}

func run(ctx context.Context) error {
	dir, err := os.MkdirTemp("/var/tmp", "vineswap-load-")
	if err != nil {
		return err
	}
	defer os.RemoveAll(dir)
	pg, err := localpg.Start(ctx, localpg.Options{Dir: dir})
	if err != nil {
		return err
	}
	defer pg.Stop()
	s, err := store.Open(ctx, pg.URL(localpg.Database))
	if err != nil {
		return err
	}
	defer s.Close()
	if _, err := s.Migrate(ctx); err != nil {
		return err
	}
	b, err := newBench(ctx, s, pg.URL(localpg.Database))
	if err != nil {
		return err
	}
	defer b.close()
	text, err := b.all(ctx)
	if err != nil {
		return err
	}
	fmt.Println(text)
	return figures.Keep(command, text)
}

// bench is a server with classes, and a client that is logged in.
type bench struct {
	store *store.Store
	db    *sqlx.DB // of the plain handlers
	lead  store.Account
	url   string
	stop  func()
	http  fasthttp.Client

	cookie, token string
	rooms         map[string]room
	out           strings.Builder
}

func newBench(ctx context.Context, s *store.Store, database string) (*bench, error) {
	b := &bench{store: s, rooms: map[string]room{}, http: fasthttp.Client{MaxConnsPerHost: 64, ReadTimeout: time.Minute}}
	var err error
	if b.db, err = store.Connect(database); err != nil {
		return nil, err
	}
	if _, err := b.db.ExecContext(ctx, `create table plain (id uuid primary key, class_id uuid not null, learner_id uuid not null, task jsonb not null, answer text not null, at timestamptz not null default now())`); err != nil {
		return nil, err
	}
	hash, err := server.HashPassword(password)
	if err != nil {
		return nil, err
	}
	b.lead = store.Account{ID: uuid.New(), Email: email, Name: "Load", Password: hash}
	if err := s.AddAccount(ctx, b.lead); err != nil {
		return nil, err
	}
	srv, err := server.New(server.Options{Store: s, Screens: fstest.MapFS{}, Beside: []server.Beside{{Method: "GET", Path: "/plain", Do: b.plainRead}, {Method: "POST", Path: "/plain", Do: b.plainWrite}}})
	if err != nil {
		return nil, err
	}
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		return nil, err
	}
	serving, cancel := context.WithCancel(ctx)
	ended := make(chan error, 1)
	go func() { ended <- srv.Serve(serving, l) }()
	b.url, b.stop = "http://"+l.Addr().String(), func() { cancel(); <-ended }
	return b, b.login()
}

func (b *bench) close() {
	b.http.CloseIdleConnections()
	b.stop()
	b.db.Close()
}

// plainRead answers one SELECT of the rows of a class's children.
func (b *bench) plainRead(ctx context.Context, class uuid.UUID) (any, error) {
	var rows []struct {
		ID    uuid.UUID `db:"learner_id" json:"id"`
		Name  string    `db:"name" json:"name"`
		Since time.Time `db:"since" json:"since"`
	}
	err := b.db.SelectContext(ctx, &rows, `select learner_id, name, since from enrolment where class_id = $1 and until is null order by name`, class)
	return rows, err
}

// plainWrite keeps one row in a transaction.
func (b *bench) plainWrite(ctx context.Context, class uuid.UUID) (any, error) {
	tx, err := b.db.BeginTxx(ctx, nil)
	if err != nil {
		return nil, err
	}
	defer tx.Rollback()
	if _, err := tx.ExecContext(ctx, `insert into plain (id, class_id, learner_id, task, answer) values ($1, $2, $3, $4, $5)`, uuid.New(), class, uuid.New(), `{"kind":"sum","version":2,"data":{"numbers":[47,25]}}`, "72"); err != nil {
		return nil, err
	}
	return map[string]string{"status": "kept"}, tx.Commit()
}

// ask sends one request and returns the status, the tag and the body.
func (b *bench) ask(method, path, tag string, body []byte) (status int, etag string, answer []byte, err error) {
	req, res := fasthttp.AcquireRequest(), fasthttp.AcquireResponse()
	defer fasthttp.ReleaseRequest(req)
	defer fasthttp.ReleaseResponse(res)
	req.SetRequestURI(b.url + path)
	req.Header.SetMethod(method)
	req.Header.Set("Cookie", b.cookie)
	req.Header.Set("X-Csrf-Token", b.token)
	if tag != "" {
		req.Header.Set("If-None-Match", tag)
	}
	if body != nil {
		req.Header.SetContentType("application/json")
		req.SetBody(body)
	}
	if err := b.http.Do(req, res); err != nil {
		return 0, "", nil, err
	}
	return res.StatusCode(), string(res.Header.Peek("ETag")), append([]byte(nil), res.Body()...), nil
}

func (b *bench) login() error {
	req, res := fasthttp.AcquireRequest(), fasthttp.AcquireResponse()
	defer fasthttp.ReleaseRequest(req)
	defer fasthttp.ReleaseResponse(res)
	req.SetRequestURI(b.url + "/api/login")
	req.Header.SetMethod("POST")
	req.Header.SetContentType("application/json")
	req.SetBodyString(`{"email":"` + email + `","password":"` + password + `"}`)
	if err := b.http.Do(req, res); err != nil {
		return err
	}
	var parts []string
	for name, value := range res.Header.Cookies() {
		var c fasthttp.Cookie
		if err := c.ParseBytes(value); err != nil {
			return err
		}
		parts = append(parts, string(name)+"="+string(c.Value()))
		if string(name) == "vineswap_token" {
			b.token = string(c.Value())
		}
	}
	if b.cookie = strings.Join(parts, "; "); b.token == "" {
		return fmt.Errorf("logging in: %d %s", res.StatusCode(), res.Body())
	}
	return nil
}

// subject is something that is asked again and again by some clients at once.
type subject struct {
	name    string
	clients int
	once    func(client int) error
}

func get(b *bench, path, tag string, want int) func(int) error {
	return func(int) error {
		status, _, body, err := b.ask("GET", path, tag, nil)
		if err == nil && status != want {
			err = fmt.Errorf("%s: %d %.200s", path, status, body)
		}
		return err
	}
}

// rate runs a subject for one round and returns how many requests a second it did.
func (s subject) rate(ctx context.Context) (float64, error) {
	var n atomic.Int64
	var wg sync.WaitGroup
	errs := make([]error, s.clients)
	began := time.Now()
	for i := range s.clients {
		wg.Go(func() {
			for time.Since(began) < oneRound && ctx.Err() == nil && errs[i] == nil {
				errs[i] = s.once(i)
				n.Add(1)
			}
		})
	}
	wg.Wait()
	return float64(n.Load()) / time.Since(began).Seconds(), errors.Join(append(errs, ctx.Err())...)
}

// beside measures subjects in turn with a plain one and returns the medians.
func beside(ctx context.Context, plain subject, subjects ...subject) ([]float64, error) {
	all := append([]subject{plain}, subjects...)
	rates := make([][]float64, len(all))
	for round := range rounds + 1 {
		for i, s := range all {
			rate, err := s.rate(ctx)
			if err != nil {
				return nil, fmt.Errorf("%s: %w", s.name, err)
			}
			if round > 0 { // the first one warms up
				rates[i] = append(rates[i], rate)
			}
		}
	}
	medians := make([]float64, len(all))
	for i := range all {
		slices.Sort(rates[i])
		medians[i] = rates[i][rounds/2]
	}
	return medians, nil
}

func (b *bench) line(format string, args ...any) { fmt.Fprintf(&b.out, format+"\n", args...) }

func path(r room, rest string) string { return "/api/classes/" + r.ID.String() + rest }

func (b *bench) all(ctx context.Context) (string, error) {
	now := time.Now()
	for name, of := range map[string][2]int{"main": {30, 100_000}, "few records": {30, 5_000}, "22 children": {22, 5_000}, "200 children": {200, 45_000}, "most records": {30, 300_000}} {
		r, err := made(ctx, b.store, b.lead, name, of[0], of[1], now)
		if err != nil {
			return "", fmt.Errorf("%s: %w", name, err)
		}
		b.rooms[name] = r
	}
	// All but the lessons of the last days are written up.
	if _, err := b.db.ExecContext(ctx, `update spot set written = true where lesson_id in (select id from lesson where changed_at < now() - interval '3 days')`); err != nil {
		return "", err
	}
	if _, err := b.db.ExecContext(ctx, "vacuum analyze"); err != nil {
		return "", err
	}
	for _, part := range []func(context.Context) error{b.growing, b.reading, b.writing} {
		if err := part(ctx); err != nil {
			return "", err
		}
	}
	return b.out.String(), nil
}

// reading measures what is read most.
func (b *bench) reading(ctx context.Context) error {
	r := b.rooms["main"]
	_, tag, body, err := b.ask("GET", path(r, "/vines"), "", nil)
	if err != nil {
		return err
	}
	child := r.children[0].ID.String()
	var had atomic.Pointer[string] // the tag of the class as it was asked for last
	had.Store(&tag)
	var turn atomic.Int64
	subjects := []struct {
		subject
		least float64
	}{
		{subject{fmt.Sprintf("Class, 30 children, 100,000 records (%d KB)", len(body)/1000), writers, get(b, path(r, "/vines"), "", 200)}, 1. / 4},
		{subject{"Class, asked whether it is still true", writers, func(int) error {
			status, now, _, err := b.ask("GET", path(r, "/vines"), *had.Load(), nil)
			if err == nil && status == 200 { // after a round in which it changed
				had.Store(&now)
			} else if err == nil && status != 304 {
				err = fmt.Errorf("unchanged: %d", status)
			}
			return err
		}}, 1. / 2},
		{subject{"Class, each time after a record of one child", 1, func(int) error {
			id := r.children[turn.Add(1)%30].ID
			if _, err := b.db.ExecContext(ctx, `update learner set revision = revision + 1 where id = $1`, id); err != nil {
				return err
			}
			return get(b, path(r, "/vines"), "", 200)(0)
		}}, 0},
		{subject{"Today", writers, get(b, path(r, "/today"), "", 200)}, 1. / 10},
		{subject{"a child's page, 3,333 records", writers, get(b, path(r, "/learners/"+child), "", 200)}, 1. / 10},
		{subject{"a child's page, each time after a record of the child", writers, func(int) error {
			if _, err := b.db.ExecContext(ctx, `update learner set revision = revision + 1 where id = $1`, child); err != nil {
				return err
			}
			return get(b, path(r, "/learners/"+child), "", 200)(0)
		}}, 0},
	}
	list := make([]subject, len(subjects))
	for i, s := range subjects {
		list[i] = s.subject
	}
	rates, err := beside(ctx, subject{"a plain handler: one SELECT of 30 rows", writers, get(b, path(r, "/plain"), "", 200)}, list...)
	if err != nil {
		return err
	}
	b.line("Reading, by %d clients at once:\n", writers)
	b.line("| what | requests/s | of the plain handler | asked for |\n|---|---|---|---|")
	b.line("| a plain handler behind the same checks: one SELECT of 30 rows | %.0f | 1 | |", rates[0])
	for i, s := range subjects {
		asked := ""
		if s.least > 0 {
			asked = fmt.Sprintf("%.2f", s.least)
		}
		b.line("| %s | %.0f | %.2f | %s |", s.name, rates[i+1], rates[i+1]/rates[0], asked)
	}
	b.line("")
	return nil
}

// spots are where one writer records: lessons of a few tasks with a child of its own.
type spots struct {
	child   uuid.UUID
	lessons []uuid.UUID
	next    int
}

const tasksOfALesson = 4

func (b *bench) spotsOf(ctx context.Context, r room, child uuid.UUID, lessons int) (*spots, error) {
	at := &spots{child: child}
	for range lessons {
		l := store.Lesson{ID: uuid.Must(uuid.NewV7()), ClassID: r.ID, OpenedBy: b.lead.ID, ChangedAt: time.Now()}
		for i := range tasksOfALesson {
			l.Items = append(l.Items, lesson.Item{Task: pool(inLessons)[i], Stage: choose.OneSwapOnes})
		}
		l.Material, l.Stand, l.Children, l.At = material.Beads, lesson.OnTheMat, []string{child.String()}, trace.Position{Phase: trace.Before}
		if err := b.store.AddLesson(ctx, l); err != nil {
			return nil, err
		}
		at.lessons = append(at.lessons, l.ID)
	}
	return at, nil
}

// newID is an id as the screens make them.
func newID() string { return uuid.Must(uuid.NewV7()).String() }

// observe records the child at the next task.
func (b *bench) observe(r room, at *spots) error {
	id, nth := at.lessons[at.next/tasksOfALesson], at.next%tasksOfALesson
	at.next++
	body, err := json.Marshal(wire.Observe{ID: newID(), Learner: at.child.String(), Nth: nth, Answer: pool(inLessons)[nth].Result(), Came: "marked", Help: "alone", Manner: "pieces", Runs: 1})
	if err != nil {
		return err
	}
	status, _, answer, err := b.ask("POST", path(r, "/lessons/"+id.String()+"/observations"), "", body)
	if err == nil && status != 200 {
		err = fmt.Errorf("an observation: %d %.200s", status, answer)
	}
	return err
}

// writing measures an observation beside a transaction with one INSERT, over eight
// children and writers.
func (b *bench) writing(ctx context.Context) error {
	r := b.rooms["main"]
	all := make([]*spots, writers)
	for i := range all {
		var err error
		if all[i], err = b.spotsOf(ctx, r, r.children[i].ID, 600); err != nil {
			return err
		}
	}
	if _, err := b.db.ExecContext(ctx, "vacuum analyze"); err != nil {
		return err
	}
	rates, err := beside(ctx, subject{"a plain handler", writers, func(int) error {
		status, _, answer, err := b.ask("POST", path(r, "/plain"), "", []byte(`{}`))
		if err == nil && status != 200 {
			err = fmt.Errorf("%d %.200s", status, answer)
		}
		return err
	}}, subject{"an observation", writers, func(i int) error { return b.observe(r, all[i]) }})
	if err != nil {
		return err
	}
	b.line("Writing, over %d children and writers, synchronous_commit on:\n", writers)
	b.line("| what | requests/s | of the plain handler | asked for |\n|---|---|---|---|")
	b.line("| a plain handler behind the same checks: a transaction with one INSERT | %.0f | 1 | |", rates[0])
	b.line("| an observation of a child with 3,333 records | %.0f | %.2f | 0.25 |\n", rates[1], rates[1]/rates[0])
	return nil
}

// growing measures what a child costs in classes of other sizes and ages, each time
// with nothing remembered of any child.
func (b *bench) growing(ctx context.Context) error {
	took := map[string][]float64{}
	for range 41 { // in turn, so that what else the machine does bears on all of them
		for _, name := range []string{"22 children", "200 children", "few records", "main", "most records"} {
			r := b.rooms[name]
			if _, err := b.db.ExecContext(ctx, `update learner set revision = revision + 1 where id in (select learner_id from enrolment where class_id = $1)`, r.ID); err != nil {
				return err
			}
			began := time.Now()
			if err := get(b, path(r, "/vines"), "", 200)(0); err != nil {
				return err
			}
			took[name] = append(took[name], float64(time.Since(began).Microseconds())/float64(len(r.children)))
		}
	}
	b.line("What a child costs when a class is worked out anew:\n")
	b.line("| class | µs for each child |\n|---|---|")
	costs := map[string]float64{}
	for name, all := range took {
		slices.Sort(all)
		costs[name] = all[len(all)/2]
	}
	b.line("| 22 children, 5,000 records | %.0f |\n| 200 children, 45,000 records | %.0f |", costs["22 children"], costs["200 children"])
	b.line("| 30 children, 5,000 records | %.0f |\n| 30 children, 100,000 records | %.0f |\n| 30 children, 300,000 records | %.0f |", costs["few records"], costs["main"], costs["most records"])
	b.line("\nFrom 22 to 200 children %.2f times, from 5,000 to 300,000 records %.2f times; asked for: at most 1.3.", costs["200 children"]/costs["22 children"], costs["most records"]/costs["few records"])
	return nil
}
