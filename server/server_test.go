package server_test

import (
	"bufio"
	"bytes"
	"context"
	"database/sql"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"net"
	"net/http"
	"net/http/cookiejar"
	"os"
	"regexp"
	"strings"
	"testing"
	"testing/fstest"
	"time"

	"github.com/google/uuid"

	"vineswap/core/book"
	"vineswap/core/hue"
	"vineswap/core/material"
	"vineswap/core/opener"
	"vineswap/core/problem"
	"vineswap/core/setting"
	"vineswap/core/sheet"
	"vineswap/pgtest"
	"vineswap/server"
	"vineswap/store"
	"vineswap/wire"
)

func TestMain(m *testing.M) { os.Exit(pgtest.Main(m)) }

const password = "plums-and-honey"

// hash is worked once for all accounts of the tests.
var hash = func() string {
	h, err := server.HashPassword(password)
	if err != nil {
		panic(err)
	}
	return h
}()

// house is a running server with an orchard class, in which there is somebody
// of each role, and a bee class with a lead of its own.
type house struct {
	testing.TB
	store         *store.Store
	db            string
	url           string
	orchard, bees uuid.UUID
	wren, mina    uuid.UUID
}

var screens = fstest.MapFS{
	"index.html":           {Data: []byte("<!doctype html><title>Vine Swap</title>")},
	"assets/index-abc1.js": {Data: []byte("console.log(1)")},
}

func newHouse(t testing.TB) house {
	t.Helper()
	db := pgtest.URL(t)
	h := house{TB: t, db: db, store: pgtest.Open(t, db), orchard: uuid.New(), bees: uuid.New(), wren: uuid.New(), mina: uuid.New()}
	ctx := context.Background()
	check := func(err error) {
		t.Helper()
		if err != nil {
			t.Fatal(err)
		}
	}
	check(h.store.AddClass(ctx, store.Class{ID: h.orchard, Name: "Orchard room", Zone: "Pacific/Auckland", Settings: setting.Default()}))
	check(h.store.AddClass(ctx, store.Class{ID: h.bees, Name: "Bee room", Zone: "Europe/Vienna", Settings: setting.Default()}))
	check(h.store.AddLearner(ctx, h.orchard, store.Learner{ID: h.wren, Name: "Wren A."}, time.Now()))
	check(h.store.AddLearner(ctx, h.bees, store.Learner{ID: h.mina, Name: "Mina S."}, time.Now()))
	for name, in := range map[string]struct {
		class uuid.UUID
		role  store.Role
	}{"lead": {h.orchard, store.Lead}, "assistant": {h.orchard, store.Assistant}, "viewer": {h.orchard, store.Viewer}, "stranger": {h.bees, store.Lead}} {
		a := store.Account{ID: uuid.New(), Email: name + "@school.test", Name: name, Password: hash}
		check(h.store.AddAccount(ctx, a))
		check(h.store.Join(ctx, a.ID, in.class, in.role))
	}
	h.url = h.serve(server.Options{Store: h.store, Screens: screens, Now: func() time.Time { return time.Date(2026, 11, 25, 11, 30, 0, 0, time.UTC) }})
	return h
}

func (h house) serve(o server.Options) string {
	h.Helper()
	srv, err := server.New(o)
	if err != nil {
		h.Fatal(err)
	}
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		h.Fatal(err)
	}
	ctx, stop := context.WithCancel(context.Background())
	ended := make(chan error, 1)
	go func() { ended <- srv.Serve(ctx, l) }()
	h.Cleanup(func() {
		stop()
		if err := <-ended; err != nil {
			h.Errorf("serving ended with %v", err)
		}
	})
	return "http://" + l.Addr().String()
}

// person is a browser's part of the wire: cookies, and the token in a header.
type person struct {
	house
	client *http.Client
}

func (h house) nobody() person {
	jar, err := cookiejar.New(nil)
	if err != nil {
		h.Fatal(err)
	}
	return person{h, &http.Client{Jar: jar, Timeout: 20 * time.Second}}
}

func (h house) person(name string) person {
	h.Helper()
	p := h.nobody()
	p.send("GET", "/api/me", nil)
	if got := p.send("POST", "/api/login", wire.Login{Email: name + "@school.test", Password: password}); got.status != 200 {
		h.Fatalf("%s cannot log in: %d %s", name, got.status, got.body)
	}
	return p
}

type reply struct {
	status int
	header http.Header
	body   []byte
	closes bool // the connection ends with it
}

// into decodes the body.
func (r reply) into(t testing.TB, v any) {
	t.Helper()
	if err := json.Unmarshal(r.body, v); err != nil {
		t.Fatalf("%s: %v", r.body, err)
	}
}

func (r reply) trouble(t testing.TB) wire.Trouble {
	t.Helper()
	var tr wire.Trouble
	r.into(t, &tr)
	if kind := r.header.Get("Content-Type"); kind != "application/problem+json" || tr.Status != r.status || tr.Title == "" || tr.Remedy == "" {
		t.Errorf("%s is no whole problem document: %s", kind, r.body)
	}
	return tr
}

func (p person) token() string {
	req, _ := http.NewRequest("GET", p.url+"/api/me", nil)
	for _, c := range p.client.Jar.Cookies(req.URL) {
		if c.Name == "vineswap_token" {
			return c.Value
		}
	}
	return ""
}

func (p person) send(method, path string, body any) reply {
	p.Helper()
	var data []byte
	switch b := body.(type) {
	case nil:
	case string:
		data = []byte(b)
	default:
		var err error
		if data, err = json.Marshal(b); err != nil {
			p.Fatal(err)
		}
	}
	req, err := http.NewRequest(method, p.url+path, bytes.NewReader(data))
	if err != nil {
		p.Fatal(err)
	}
	req.Header.Set("Content-Type", "application/json")
	req.Header.Set("X-Csrf-Token", p.token())
	return p.round(req)
}

func (p person) round(req *http.Request) reply {
	p.Helper()
	res, err := p.client.Do(req)
	if err != nil {
		p.Fatal(err)
	}
	defer res.Body.Close()
	if strings.HasPrefix(res.Header.Get("Content-Type"), "text/event-stream") { // its first event
		data, err := eventIn(bufio.NewReader(res.Body))
		if err != nil {
			p.Fatal(err)
		}
		return reply{res.StatusCode, res.Header, data, res.Close}
	}
	out, err := io.ReadAll(res.Body)
	if err != nil {
		p.Fatal(err)
	}
	return reply{res.StatusCode, res.Header, out, res.Close}
}

// eventIn reads the data of the next event of a stream.
func eventIn(stream *bufio.Reader) ([]byte, error) {
	for {
		line, err := stream.ReadString('\n')
		if err != nil {
			return nil, err
		}
		if data, is := strings.CutPrefix(line, "data: "); is {
			return []byte(strings.TrimSpace(data)), nil
		}
	}
}

func (p person) class(path string) string { return "/api/classes/" + p.orchard.String() + path }

// bodies are requests that are right for every route.
func (p person) bodies(lesson, learner string) map[string]any {
	name := "Ada " + learner[:4]
	correction := observed(p.wren)
	correction.Learner, correction.Answer, correction.Replaces, correction.AnotherRun = learner, "72", uuid.NewSHA1(uuid.MustParse(learner), []byte("record")).String(), false
	return map[string]any{
		"POST /lessons/" + lesson + "/observations":  observed(p.wren),
		"POST /lessons/" + lesson + "/estimates":     wire.Say{Learner: p.wren.String(), Value: 3800},
		"POST /lessons/" + lesson + "/counts":        wire.Timed{ID: uuid.NewString(), Learner: p.wren.String(), Seconds: 14},
		"POST /learners/" + learner + "/corrections": correction,
		"POST /learners/" + learner + "/judgements":  wire.Judge{ID: uuid.NewString(), Stage: "joining/no-swap", Manner: "column", State: "secure", Reason: "seen at home time"},
		"POST /learners":                       wire.AddLearners{Learners: []wire.Learner{{ID: uuid.NewString(), Name: "Bo " + learner[:6]}}},
		"PATCH /learners/" + learner:           wire.ChangeLearner{Name: &name},
		"PUT /day":                             wire.SetDay{Minutes: 40, Helpers: 1},
		"PUT /off":                             wire.PutOff{Stage: "joining/no-swap", Manner: "pieces", Children: []string{p.wren.String()}, Off: true, Why: "no-time"},
		"PUT /away":                            wire.SetAway{Learner: p.wren.String(), Away: false},
		"PUT /apart":                           wire.KeepApart{KeptApart: wire.KeptApart{One: p.wren.String(), Other: learner}, Apart: false},
		"POST /invitations":                    wire.Invite{Role: "viewer"},
		"PUT /settings":                        trading(),
		"POST /choose":                         wire.Choose{Digits: []int{2, 2}, Count: 2},
		"POST /kept":                           wire.KeptChoice{ID: uuid.NewString(), Name: "swaps " + uuid.NewString(), Choice: wire.Choose{Digits: []int{2, 2}}},
		"POST /look":                           wire.Typed{Text: "47+25"},
		"POST /lessons":                        wire.NewLesson{ID: uuid.NewString(), Tasks: tasks("sum", "", []int{47, 25})},
		"POST /snakes":                         wire.ChooseSnake{Bars: 7, Left: map[string]string{}, Count: 6},
		"POST /bars":                           wire.ChooseBars{Kind: "chain", Wanted: map[string][]string{}, Count: 12},
		"POST /numbers":                        wire.ChooseOne{Stage: "tens/writing-teens", Count: 12},
		"POST /tray":                           wire.TrayLies{Number: 342, Lies: map[string]int{"hundreds": 3}},
		"PATCH /lessons/" + lesson:             wire.LessonChange{Revision: 1, Stand: "mat"},
		"PUT /seats":                           wire.SeatPlan{Seats: []wire.ClassSeat{{Learner: p.wren.String(), X: 2, Y: 1}}},
		"PUT /openers":                         wire.OpenerRow{ID: uuid.NewString(), Name: "Monday", Openers: []wire.Opener{{Kind: "card", Text: "Say a number that hides its ten."}}},
		"POST /openers/run":                    wire.RunOpeners{ID: uuid.NewString(), Openers: []wire.Opener{{Kind: "show-me", Count: 2, UpTo: 20}}},
		"POST /sheets/look":                    askedSheet(p.wren.String()),
		"POST /sheets":                         askedSheet(p.wren.String()),
		"POST /sheets/" + learner + "/answers": wire.KeepAnswers{ID: uuid.NewString(), Learner: learner, Answers: []wire.OneAnswer{{ID: uuid.NewString(), Nth: 0, Answer: "62"}}},
		"PUT /sheets/" + learner + "/missing":  wire.SetMissing{Learner: learner, Missing: true},
		"POST /minutes":                        wire.KeepMinute{ID: uuid.NewString(), Learner: learner, Facts: "bonds", Seconds: 60, Tried: 20, Right: 18},
		"POST /imports":                        wire.NewImport{ID: learner, Bytes: 44},
		"POST /imports/" + learner + "/parts":  wire.ImportPart{Data: []byte("learner,problem,answer\nWren A.,47+25,72\nx,,\n")[:44]},
		"POST /imports/" + learner:             wire.ReadImport{},
		"POST /projector":                      wire.RenewCode{Renew: true},
		"POST /lessons/" + p.whole(lesson) + "/rounds": wire.KeepRound{ID: uuid.NewString(), Nth: 0, Slates: []wire.SlateMarked{}, Turns: []wire.TurnTaken{}},
		"PATCH /members/" + learner:                    wire.ChangeMember{Role: "assistant"},
	}
}

// aNull is a null in JSON, and none in a file that is sent along.
var aNull = regexp.MustCompile(`[:\[,]\s*null`)

// askedSheet asks for a column sheet of a child.
func askedSheet(child string) wire.AskSheet {
	return wire.AskSheet{ID: uuid.NewString(), Kind: "column", Paper: "a4", Key: "foot", Count: 6, Boxes: true, Signs: true, Days: 30, Seed: 3, Children: []string{child}, Again: map[string]int{}}
}

// whole is the id of a lesson for the whole class that goes with another lesson.
func (p person) whole(lesson string) string {
	return uuid.NewSHA1(uuid.MustParse(lesson), []byte("whole")).String()
}

// trading are settings that a class can have.
func trading() wire.Settings {
	c := setting.Default()
	c.Swap = "trade"
	return wire.SettingsOf(c, 1)
}

// observed is a right answer of a child, marked by the guide, as one more run.
func observed(child uuid.UUID) wire.Observe {
	return wire.Observe{ID: uuid.NewString(), Learner: child.String(), Answer: "3825", Came: "marked", Help: "alone", Manner: "pieces", Runs: 1, AnotherRun: true}
}

// Every role against every route, nobody and a stranger among them: a stranger
// cannot tell another's class from one that does not exist.
func TestEveryRoleAgainstEveryRoute(t *testing.T) {
	h := newHouse(t)
	id := uuid.NewString()
	if got := h.person("lead").send("POST", h.person("lead").class("/lessons"), wire.NewLesson{ID: id, Tasks: tasks("sum", "", []int{1458, 2367}), Children: []string{h.wren.String()}}); got.status != 200 {
		t.Fatalf("no lesson: %s", got.body)
	}
	if got := h.person("lead").send("POST", h.person("lead").class("/lessons"), wire.NewLesson{ID: h.nobody().whole(id), Tasks: tasks("sum", "", []int{4, 3}), Whole: true}); got.status != 200 {
		t.Fatalf("no lesson for the whole class: %s", got.body)
	}
	keeper, err := h.store.AccountByEmail(context.Background(), "lead@school.test")
	if err != nil {
		t.Fatal(err)
	}
	who := map[string]store.Role{"lead": store.Lead, "assistant": store.Assistant, "viewer": store.Viewer, "stranger": "", "": ""}
	asked := 0
	for name, role := range who {
		p := h.nobody()
		p.send("GET", "/api/me", nil)
		if name != "" {
			p = h.person(name)
		}
		child := uuid.New()
		if err := h.store.AddLearner(context.Background(), h.orchard, store.Learner{ID: child, Name: "Child of " + name}, time.Now()); err != nil {
			t.Fatal(err)
		}
		seen := store.Observation{ID: uuid.NewSHA1(child, []byte("record")), ClassID: h.orchard, LearnerID: child, RecordedBy: keeper.ID, RecordedAt: time.Now()}
		seen.Task, seen.Manner, seen.Material, seen.Help, seen.Answer, seen.Came, seen.Runs = problem.SumOf(47, 25).Task(), book.Pieces, material.Beads, book.Alone, "62", book.Typed, 1
		if err := h.store.Record(context.Background(), seen, false); err != nil {
			t.Fatal(err)
		}
		kept := uuid.New()
		if err := h.store.KeepChoice(context.Background(), store.KeptChoice{ID: kept, ClassID: h.orchard, Name: "kept for " + name, Version: 1, Choice: []byte(`{"digits":[2,2]}`), KeptBy: keeper.ID}); err != nil {
			t.Fatal(err)
		}
		printed := store.Sheet{ID: child, ClassID: h.orchard, Spec: sheet.Usual(sheet.Column), Settings: setting.Default(), Tasks: []sheet.Item{sheet.ItemOf(problem.SumOf(47, 25).Task())}, MadeBy: keeper.ID, Children: []store.SheetChild{{LearnerID: child}}}
		if _, err := h.store.AddSheet(context.Background(), printed); err != nil {
			t.Fatal(err)
		}
		// An adult and an invitation, under the id of the child.
		adult := store.Account{ID: child, Email: "of " + name + "@school.test", Name: "Of " + name, Password: hash}
		link := store.Invitation{Key: "for " + name, ClassID: h.orchard, Role: store.Viewer, MadeBy: keeper.ID, ExpiresAt: time.Now().AddDate(1, 0, 0)}
		if err := errors.Join(h.store.AddAccount(context.Background(), adult), h.store.Join(context.Background(), child, h.orchard, store.Viewer), h.store.Invite(context.Background(), link)); err != nil {
			t.Fatal(err)
		}
		open, err := h.store.OpenInvitations(context.Background(), h.orchard, time.Now())
		if err != nil || len(open) == 0 {
			t.Fatalf("%d invitations, %v", len(open), err)
		}
		for _, route := range server.Routes() {
			if err := h.store.PutOpenerRow(context.Background(), store.OpenerRow{Row: opener.Row{Name: "kept", Openers: []opener.Opener{{Kind: opener.OwnCard, Text: "Look."}}}, ID: kept, ClassID: h.orchard, MadeBy: keeper.ID}); err != nil && !errors.Is(err, store.ErrStale) {
				t.Fatal(err)
			}
			of := id
			if strings.HasSuffix(route.Path, "/slates") || strings.HasSuffix(route.Path, "/rounds") {
				of = p.whole(id)
			}
			path := strings.NewReplacer(":row", kept.String(), ":member", child.String(), ":invitation", open[0].ID.String(), ":lesson", of, ":learner", child.String(), ":sheet", child.String(), ":import", child.String(), ":kept", kept.String()).Replace(route.Path)
			want := 200
			switch {
			case name == "":
				want = 401
			case role == "":
				want = 404
			case !role.May(route.Least):
				want = 403
			}
			got := p.send(route.Method, p.class(path), p.bodies(id, child.String())[route.Method+" "+path])
			// Whoever comes later changes what is changed already.
			if got.status != want && !(want == 200 && got.status == 409) {
				t.Errorf("%q %s %s: %d, want %d: %s", name, route.Method, route.Path, got.status, want, got.body)
			}
			if got.status >= 400 {
				got.trouble(t)
			}
			if aNull.Match(got.body) {
				t.Errorf("%s %s answers a null: %s", route.Method, route.Path, got.body)
			}
			asked++
		}
	}
	if asked != 5*len(server.Routes()) {
		t.Errorf("%d of the combinations were asked", asked)
	}
}

func TestAnothersRecordIsNotFound(t *testing.T) {
	h := newHouse(t)
	lead, stranger := h.person("lead"), h.person("stranger")
	id := uuid.NewString()
	lead.send("POST", lead.class("/lessons"), wire.NewLesson{ID: id, Tasks: tasks("sum", "", []int{47, 25})})
	foreign := "/api/classes/" + h.bees.String()
	for _, path := range []string{
		lead.class(""), lead.class("/lessons/" + id), "/api/classes/" + uuid.NewString(), "/api/classes/nonsense",
		foreign + "/lessons/" + id, foreign + "/lessons/nonsense", "/api/nowhere",
	} {
		if got := stranger.send("GET", path, nil); got.status != 404 {
			t.Errorf("%s: %d", path, got.status)
		} else {
			got.trouble(t)
		}
	}
	if got := lead.send("POST", lead.class("/lessons"), wire.NewLesson{ID: uuid.NewString(), Tasks: tasks("sum", "", []int{47, 25}), Children: []string{h.mina.String()}}); got.status != 422 || got.trouble(t).Field != "children" {
		t.Errorf("a child of another class: %d %s", got.status, got.body)
	}
	if got := stranger.send("POST", foreign+"/lessons", wire.NewLesson{ID: id, Tasks: tasks("sum", "", []int{1, 2})}); got.status != 409 {
		t.Errorf("another class's lesson id: %d", got.status)
	}
}

func TestLoginLogout(t *testing.T) {
	h := newHouse(t)
	p := h.nobody()
	if got := p.send("GET", "/api/me", nil); got.status != 401 {
		t.Errorf("nobody is %d", got.status)
	}
	for name, l := range map[string]wire.Login{
		"wrong password": {Email: "lead@school.test", Password: "plums"},
		"no account":     {Email: "nobody@school.test", Password: password},
	} {
		got := p.send("POST", "/api/login", l)
		if got.status != 401 || got.trouble(t).Field != "password" {
			t.Errorf("%s: %d %s", name, got.status, got.body)
		}
	}
	if got := p.send("POST", "/api/login", wire.Login{Email: "lead@school.test"}); got.status != 422 || got.trouble(t).Field != "password" {
		t.Errorf("no password: %d %s", got.status, got.body)
	}
	lead := h.person("lead")
	var me wire.Me
	lead.send("GET", "/api/me", nil).into(t, &me)
	if me.Name != "lead" || len(me.Classes) != 1 || me.Classes[0].Role != "lead" {
		t.Errorf("logged in as %+v", me)
	}
	req, _ := http.NewRequest("GET", h.url, nil)
	cookies := lead.client.Jar.Cookies(req.URL)
	if got := lead.send("POST", "/api/logout", nil); got.status != 204 {
		t.Errorf("logging out: %d %s", got.status, got.body)
	}
	if got := lead.send("GET", "/api/me", nil); got.status != 401 {
		t.Errorf("logged out and still %d", got.status)
	}
	lead.client.Jar.SetCookies(req.URL, cookies) // the session is gone, not only its cookie
	if got := lead.send("GET", "/api/me", nil); got.status != 401 {
		t.Errorf("an old cookie is %d", got.status)
	}
}

func TestExpiredSession(t *testing.T) {
	h := newHouse(t)
	lead := h.person("lead")
	pgtest.Exec(t, h.db, `update session set expires_at = now() - interval '1 second'`)
	got := lead.send("GET", lead.class(""), nil)
	if got.status != 401 || !strings.Contains(got.trouble(t).Remedy, "Log in again") {
		t.Errorf("an expired session: %d %s", got.status, got.body)
	}
}

func TestCookies(t *testing.T) {
	h := newHouse(t)
	secure := house{TB: h.TB, store: h.store, db: h.db, url: h.serve(server.Options{Store: h.store, Screens: screens, Secure: true})}
	for name, in := range map[string]struct {
		house
		secure bool
	}{"plain on loopback": {h, false}, "elsewhere": {secure, true}} {
		p := in.nobody()
		req, _ := http.NewRequest("GET", in.url+"/api/me", nil)
		if first := p.round(req); first.header.Get("Set-Cookie") != "" {
			t.Errorf("%s: nobody gets %v", name, first.header["Set-Cookie"])
		}
		login, _ := http.NewRequest("POST", in.url+"/api/login", strings.NewReader(`{"email":"lead@school.test","password":"`+password+`"}`))
		login.Header.Set("Content-Type", "application/json")
		got := p.round(login)
		cookies := map[string]*http.Cookie{}
		for _, c := range (&http.Response{Header: got.header}).Cookies() {
			cookies[c.Name] = c
		}
		if len(cookies) != 3 {
			t.Fatalf("%s: cookies %v, status %d", name, cookies, got.status)
		}
		for _, c := range cookies {
			if c.HttpOnly != (c.Name != "vineswap_token") || c.Secure != in.secure || c.SameSite != http.SameSiteLaxMode {
				t.Errorf("%s: %v", name, c)
			}
		}
		for _, c := range cookies {
			if n := len(rowsLike(t, in.db, c.Value)); n != 0 {
				t.Errorf("%s: what %s says lies in %d rows", name, c.Name, n)
			}
		}
	}
}

// rowsLike finds rows of what is kept of log-ins that have a text in them.
func rowsLike(t *testing.T, db, text string) (found []string) {
	t.Helper()
	conn, err := sql.Open("pgx", db)
	if err != nil {
		t.Fatal(err)
	}
	defer conn.Close()
	for _, table := range []string{"session", "known_device", "login_try"} {
		var n int
		if err := conn.QueryRow(`select count(*) from `+table+` as r where r::text like '%' || $1 || '%'`, text).Scan(&n); err != nil {
			t.Fatal(err)
		}
		if n > 0 {
			found = append(found, table)
		}
	}
	return found
}

func TestForgedRequests(t *testing.T) {
	h := newHouse(t)
	lead := h.person("lead")
	for name, spoil := range map[string]func(*http.Request){
		"no token":        func(r *http.Request) {},
		"another token":   func(r *http.Request) { r.Header.Set("X-Csrf-Token", "x") },
		"another's token": func(r *http.Request) { r.Header.Set("X-Csrf-Token", h.person("viewer").token()) },
		"another site": func(r *http.Request) {
			r.Header.Set("X-Csrf-Token", lead.token())
			r.Header.Set("Sec-Fetch-Site", "cross-site")
		},
		"a site beside ours": func(r *http.Request) {
			r.Header.Set("X-Csrf-Token", lead.token())
			r.Header.Set("Sec-Fetch-Site", "same-site")
		},
		"another origin": func(r *http.Request) {
			r.Header.Set("X-Csrf-Token", lead.token())
			r.Header.Set("Origin", "http://elsewhere.test")
		},
	} {
		req, _ := http.NewRequest("POST", h.url+lead.class("/lessons"), strings.NewReader(`{}`))
		req.Header.Set("Content-Type", "application/json")
		spoil(req)
		if got := lead.round(req); got.status != 403 || got.trouble(t).Field != "token" {
			t.Errorf("%s: %d %s", name, got.status, got.body)
		}
	}
}

// Behind a proxy the browser's origin is the proxy's, and only that one.
func TestBehindAProxy(t *testing.T) {
	h := newHouse(t)
	const origin = "https://vines.school.test"
	proxied := house{TB: t, store: h.store, url: h.serve(server.Options{Store: h.store, Screens: screens, Origin: origin})}
	for from, want := range map[string]int{origin: 422, "https://elsewhere.test": 403} {
		p := proxied.nobody()
		req, _ := http.NewRequest("POST", proxied.url+"/api/login", strings.NewReader(`{}`))
		req.Header.Set("Content-Type", "application/json")
		req.Header.Set("Origin", from)
		if got := p.round(req); got.status != want || got.header.Get("Strict-Transport-Security") == "" {
			t.Errorf("from %s: %d, want %d, %v", from, got.status, want, got.header)
		}
	}
}

func TestHeaders(t *testing.T) {
	h := newHouse(t)
	p := h.nobody()
	for _, path := range []string{"/", "/assets/index-abc1.js", "/assets/gone.js", "/healthz", "/readyz"} {
		got := p.send("GET", path, nil)
		for name, want := range map[string]string{"Content-Security-Policy": "default-src 'none'", "X-Content-Type-Options": "nosniff", "X-Frame-Options": "DENY", "Referrer-Policy": "same-origin"} {
			if !strings.Contains(got.header.Get(name), want) {
				t.Errorf("%s: %s is %q", path, name, got.header.Get(name))
			}
		}
		if csp := got.header.Get("Content-Security-Policy"); strings.Contains(csp, "unsafe") || strings.Contains(csp, "http") {
			t.Errorf("%s lets in %s", path, csp)
		}
	}
}

func TestScreens(t *testing.T) {
	h := newHouse(t)
	p := h.nobody()
	index := p.send("GET", "/", nil)
	if index.status != 200 || index.header.Get("Cache-Control") != "no-cache" || !strings.Contains(string(index.body), "Vine Swap") {
		t.Errorf("the page: %d %v %s", index.status, index.header, index.body)
	}
	asset := p.send("GET", "/assets/index-abc1.js", nil)
	if asset.status != 200 || !strings.Contains(asset.header.Get("Cache-Control"), "immutable") || !strings.HasPrefix(asset.header.Get("Content-Type"), "text/javascript") {
		t.Errorf("an asset: %d %v", asset.status, asset.header)
	}
	again, _ := http.NewRequest("GET", h.url+"/assets/index-abc1.js", nil)
	again.Header.Set("If-None-Match", asset.header.Get("ETag"))
	if got := p.round(again); got.status != 304 {
		t.Errorf("unchanged: %d", got.status)
	}
	for _, path := range []string{"/assets/gone.js", "/numbers", "/../go.mod"} {
		if got := p.send("GET", path, nil); got.status != 404 {
			t.Errorf("%s: %d", path, got.status)
		}
	}
	unbuilt := house{TB: t, store: h.store, url: h.serve(server.Options{Store: h.store, Screens: fstest.MapFS{}})}
	if got := unbuilt.nobody().send("GET", "/", nil); got.status != 503 || !strings.Contains(string(got.body), "make build") {
		t.Errorf("before the first build: %d %s", got.status, got.body)
	}
}

func TestBadInput(t *testing.T) {
	h := newHouse(t)
	lead := h.person("lead")
	choose := func(more string) string { return `{"digits":[2,2],"count":3` + more + `}` }
	colours, err := json.Marshal(hue.Ours())
	if err != nil {
		t.Fatal(err)
	}
	ours := string(colours)
	for _, c := range []struct {
		name, method, path, body string
		status                   int
		field                    string
	}{
		{"broken JSON", "POST", "/choose", `{"digits":`, 400, ""},
		{"words for digits", "POST", "/choose", `{"digits":["two"]}`, 400, "digits"},
		{"no digits", "POST", "/choose", `{"count":2}`, 422, "digits"},
		{"one number", "POST", "/choose", `{"digits":[2]}`, 422, "digits"},
		{"nine digits", "POST", "/choose", `{"digits":[9,2]}`, 422, "digits"},
		{"too many", "POST", "/choose", `{"digits":[2,2],"count":5000}`, 422, "count"},
		{"a stage that does not exist", "POST", "/choose", choose(`,"stage":"joining/sideways"`), 422, "stage"},
		{"a place that does not exist", "POST", "/choose", choose(`,"swap":{"unit":"yes"}`), 422, "swap"},
		{"a wish that is none", "POST", "/choose", choose(`,"swap":{"ones":"perhaps"}`), 422, "swap"},
		{"a seed that is no number", "POST", "/choose", choose(`,"seed":"apple"`), 422, "seed"},
		{"letters", "POST", "/look", `{"text":"abc"}`, 422, "text"},
		{"a negative number", "POST", "/look", `{"text":"-3+4"}`, 422, "text"},
		{"too many digits", "POST", "/look", `{"text":"1234567+1"}`, 422, "text"},
		{"an unfinished sum", "POST", "/look", `{"text":"47+"}`, 422, "text"},
		{"nothing", "POST", "/look", `{"text":""}`, 422, "text"},
		{"a very long text", "POST", "/look", `{"text":"` + strings.Repeat("1", 400) + `"}`, 422, "text"},
		{"a number word that is none", "POST", "/look", `{"text":"fifteeen"}`, 422, "text"},
		{"a number alone that is too large", "POST", "/look", `{"text":"1000000"}`, 422, "text"},
		{"more than pieces show", "POST", "/look", `{"text":"10000 numeral lay"}`, 422, "text"},
		{"digits that the stage has not", "POST", "/numbers", `{"stage":"places/quantity-and-card","digits":[7]}`, 422, "digits"},
		{"zeros where the stage has none", "POST", "/numbers", `{"stage":"places/quantity-and-card","zeros":"yes"}`, 422, "zeros"},
		{"a crowd of ten thousand", "POST", "/look", `{"text":"10000 crowd ring"}`, 422, "text"},
		{"nothing to count", "POST", "/look", `{"text":"0 crowd ring"}`, 422, "text"},
		{"frames that hold too many", "POST", "/look", `{"text":"31 frames say"}`, 422, "text"},
		{"three bars of a size from two stairs", "POST", "/look", `{"text":"8,8,8"}`, 422, "text"},
		{"a bar of twelve", "POST", "/look", `{"text":"8,12"}`, 422, "text"},
		{"a chain of eleven", "POST", "/look", `{"text":"chain 11"}`, 422, "text"},
		{"forty bars", "POST", "/snakes", `{"bars":40,"left":{}}`, 422, "bars"},
		{"more bars than there are", "POST", "/snakes", `{"bars":19,"left":{}}`, 422, "bars"},
		{"nine left of a bar", "POST", "/snakes", `{"bars":7,"left":{"9":"yes"}}`, 422, "left"},
		{"a wish that is none", "POST", "/snakes", `{"bars":7,"left":{"3":"often"}}`, 422, ""},
		{"snakes by no seed", "POST", "/snakes", `{"bars":7,"left":{},"seed":"apple"}`, 422, "seed"},
		{"a chain of 11", "POST", "/bars", `{"kind":"chain","wanted":{"beads":["11"]}}`, 422, "beads"},
		{"rods of another kind", "POST", "/bars", `{"kind":"sticks","wanted":{}}`, 422, "kind"},
		{"numbers of no stage", "POST", "/numbers", `{"stage":"tens/sideways"}`, 422, "stage"},
		{"numbers that the stage has not", "POST", "/numbers", `{"stage":"tens/writing-teens","numbers":[21]}`, 422, "numbers"},
		{"shown as nothing there is", "POST", "/numbers", `{"stage":"tens/writing-teens","shown":["rack"]}`, 422, "shown"},
		{"answered as nothing there is", "POST", "/numbers", `{"stage":"tens/writing-teens","answered":["sing"]}`, 422, "answered"},
		{"numbers by no seed", "POST", "/numbers", `{"stage":"tens/writing-teens","seed":"apple"}`, 422, "seed"},
		{"a lesson on a crowd of none", "POST", "/lessons", `{"id":"` + uuid.NewString() + `","tasks":[{"task":{"kind":"number","version":2,"data":{"number":0,"shown":"crowd","answered":"ring"}}}]}`, 422, "tasks"},
		{"a lesson without an id", "POST", "/lessons", `{"tasks":[{}]}`, 422, "id"},
		{"a lesson without numbers", "POST", "/lessons", `{"id":"` + uuid.NewString() + `","tasks":[]}`, 422, "tasks"},
		{"a lesson below nothing", "POST", "/lessons", `{"id":"` + uuid.NewString() + `","tasks":[{"task":{"kind":"sum","version":2,"data":{"numbers":[1,-2]}}}]}`, 422, "tasks"},
		{"a lesson of too many digits", "POST", "/lessons", `{"id":"` + uuid.NewString() + `","tasks":[{"task":{"kind":"sum","version":2,"data":{"numbers":[9000000,1000]}}}]}`, 422, "tasks"},
		{"a task that is none", "POST", "/lessons", `{"id":"` + uuid.NewString() + `","tasks":[{}]}`, 422, "tasks"},
		{"a task of a later version", "POST", "/lessons", `{"id":"` + uuid.NewString() + `","tasks":[{"task":{"kind":"sum","version":99,"data":{"numbers":[1,2]}}}]}`, 422, "tasks"},
		{"a lesson of another stage", "POST", "/lessons", `{"id":"` + uuid.NewString() + `","tasks":[{"task":{"kind":"sum","version":2,"data":{"numbers":[1,2]}},"stage":"x"}]}`, 422, "stage"},
		{"a word that is no setting", "PUT", "/settings", `{"revision":1,"swap":"barter","places":"ones","material":"beads","digits":"by-kind","teens":"plain","comma":"none","when":"at-ten","carried":"above","crossing":"cross-out","order":"as-needed","zeros":"place-by-place","bank":"bank","adult":"teacher","range":"1000000","colours":` + ours + `}`, 422, ""},
		{"old settings", "PUT", "/settings", `{"revision":7,"swap":"trade","places":"ones","material":"beads","digits":"by-kind","teens":"plain","comma":"none","when":"at-ten","carried":"above","crossing":"cross-out","order":"as-needed","zeros":"place-by-place","bank":"bank","adult":"teacher","range":"1000000","colours":` + ours + `}`, 409, ""},
	} {
		t.Run(c.name, func(t *testing.T) {
			got := lead.send(c.method, lead.class(c.path), c.body)
			if tr := got.trouble(t); got.status != c.status || tr.Field != c.field {
				t.Errorf("%d of %q, want %d of %q: %s", got.status, tr.Field, c.status, c.field, got.body)
			}
		})
	}
	var desk wire.Desk
	lead.send("GET", lead.class(""), nil).into(t, &desk)
	if desk.InHand != nil || len(desk.Open) != 0 || desk.Settings.Swap != "swap" {
		t.Errorf("something was half written: %+v", desk)
	}
}

func TestTenMegabytes(t *testing.T) {
	h := newHouse(t)
	lead := h.person("lead")
	req, err := http.NewRequest("POST", h.url+lead.class("/look"), bytes.NewReader(make([]byte, 10<<20)))
	if err != nil {
		t.Fatal(err)
	}
	res, err := lead.client.Do(req)
	if err != nil {
		// The server may close before all is sent; it must go on answering.
		if got := lead.send("GET", "/readyz", nil); got.status != 200 {
			t.Errorf("after ten megabytes: %d", got.status)
		}
		return
	}
	defer res.Body.Close()
	if res.StatusCode != 413 {
		t.Errorf("ten megabytes: %d", res.StatusCode)
	}
}

func TestDesk(t *testing.T) {
	h := newHouse(t)
	lead := h.person("lead")
	var desk wire.Desk
	lead.send("GET", lead.class(""), nil).into(t, &desk)
	// Half past eleven in the morning, UTC, is the next day in Auckland.
	if desk.Day != "Thursday 26 November" || desk.Class.Role != "lead" || len(desk.Learners) != 1 || len(desk.Stages) != 41 {
		t.Errorf("%+v", desk)
	}
	var set wire.Desk
	exchanging := desk.Settings
	exchanging.Swap, exchanging.Places, exchanging.And, exchanging.Material = "exchange", "units", true, "blocks"
	lead.send("PUT", lead.class("/settings"), exchanging).into(t, &set)
	if set.Words.ASwap != "an exchange" || set.Words.Places[0].Many != "units" || set.Stages[20].Name != "one exchange, units" {
		t.Errorf("the words are %+v, %+v", set.Words, set.Stages)
	}
	var choices wire.Choices
	lead.send("GET", lead.class("/choices"), nil).into(t, &choices)
	if len(choices.Matters) != 20 || choices.Matters[0].Sides[1].Example != "Ten units trade for one ten. It joins the tens." {
		t.Errorf("%+v", choices.Matters[0])
	}
}

func TestChoose(t *testing.T) {
	h := newHouse(t)
	guide := h.person("assistant")
	var got wire.Chosen
	ask := wire.Choose{Digits: []int{2, 2}, Swap: map[string]string{"ones": "yes", "tens": "no"}, Count: 12, Seed: "7"}
	guide.send("POST", guide.class("/choose"), ask).into(t, &got)
	if got.Fits != "1260" || len(got.Problems) != 12 || len(got.Knots) != 2 || got.Knots[0].Counts["no"] != "1980" || got.Seed != "7" {
		t.Errorf("%+v", got)
	}
	for _, p := range got.Problems {
		if p.Stage.ID != "joining/one-swap-ones" || !p.LaidOut || p.Columns[0].Out != 1 {
			t.Errorf("%+v", p)
		}
	}
	ask.Zeros = "yes"
	var none wire.Chosen
	guide.send("POST", guide.class("/choose"), ask).into(t, &none)
	if none.Fits != "0" || none.Clash == "" || len(none.Mends) == 0 {
		t.Errorf("%+v", none)
	}
	for _, m := range none.Mends {
		var mended wire.Chosen
		guide.send("POST", guide.class("/choose"), m.Choice).into(t, &mended)
		if mended.Fits != m.Fits || mended.Fits == "0" {
			t.Errorf("%s was to leave %s and leaves %s", m.Text, m.Fits, mended.Fits)
		}
	}
	shorter := wire.Choose{Digits: []int{1, 1}, Swap: map[string]string{"tens": "yes"}, Count: 1}
	if reply := guide.send("POST", guide.class("/choose"), shorter); reply.status != 200 {
		t.Errorf("a knot of a place that is gone: %s", reply.body)
	}
	var sum wire.Sum
	guide.send("POST", guide.class("/look"), wire.Typed{Text: "9000 + 1000"}).into(t, &sum)
	if sum.LaidOut || sum.Why == "" || sum.Answer != 10000 || sum.Stage.ID != "joining/new-place" {
		t.Errorf("a sum beyond the pieces: %+v", sum)
	}
	var four wire.Sum
	guide.send("POST", guide.class("/look"), wire.Typed{Text: "1+2+3+4"}).into(t, &four)
	if !four.LaidOut || four.Why != "" || four.Stage.ID != "joining/three-addends" {
		t.Errorf("four numbers: %+v", four)
	}
	var taken wire.Sum
	guide.send("POST", guide.class("/look"), wire.Typed{Text: "503 − 128"}).into(t, &taken)
	if !taken.LaidOut || taken.Kind != "difference" || taken.Sign != "−" || taken.Stage.ID != "taking/across-one-zero" || taken.Answer != 375 || len(taken.Pieces) != 3 || taken.Columns[0].Caused == "" {
		t.Errorf("taking away: %+v", taken)
	}
	var shared wire.Sum
	guide.send("POST", guide.class("/look"), wire.Typed{Text: "97/4"}).into(t, &shared)
	if !shared.LaidOut || shared.Why != "" || shared.Stage.ID != "sharing/share-remainder" || shared.Answer != 24 || fmt.Sprint(shared.Pieces) != "[{tens 9 [9] 0} {ones 17 [7] 10}]" {
		t.Errorf("sharing: %+v", shared)
	}
	if got := guide.send("POST", guide.class("/lessons"), wire.NewLesson{ID: uuid.NewString(), Tasks: tasks("share", "", []int{97, 10})}); got.status != 422 {
		t.Errorf("a lesson of sharing by ten: %d %s", got.status, got.body)
	}
	if got := guide.send("POST", guide.class("/lessons"), wire.NewLesson{ID: uuid.NewString(), Tasks: tasks("riddle", "", []int{1, 2})}); got.status != 422 {
		t.Errorf("a lesson of riddles: %d %s", got.status, got.body)
	}
}

func TestLessonIsKeptStepByStep(t *testing.T) {
	h := newHouse(t)
	lead := h.person("lead")
	ask := wire.NewLesson{ID: uuid.NewString(), Tasks: tasks("sum", "joining/several-swaps", []int{1458, 2367}), Children: []string{h.wren.String()}}
	var opened, again wire.Lesson
	lead.send("POST", lead.class("/lessons"), ask).into(t, &opened)
	lead.send("POST", lead.class("/lessons"), ask).into(t, &again) // as after a lost answer
	if opened.Revision != 1 || again.Revision != 1 || opened.Children[0].Name != "Wren A." || opened.Roles[0].Does == "" || opened.Top != "thousands" {
		t.Errorf("%+v", opened.Link)
	}
	path := lead.class("/lessons/" + ask.ID)
	var moved wire.Lesson
	lead.send("PATCH", path, wire.LessonChange{Revision: 1, Stand: "mat", At: "work/ones/1", Material: "blocks"}).into(t, &moved)
	if moved.Revision != 2 || moved.Steps[moved.Index].At != "work/ones/1" || moved.Link.Material != "blocks" || moved.Steps[moved.Index].Turn != 0 {
		t.Errorf("moved to %d, %+v", moved.Index, moved.Link)
	}
	stale := lead.send("PATCH", path, wire.LessonChange{Revision: 1, At: "read/0"})
	if tr := stale.trouble(t); stale.status != 409 || tr.Lesson == nil || tr.Lesson.Revision != 2 || tr.Lesson.Steps[tr.Lesson.Index].At != "work/ones/1" {
		t.Errorf("a stale write: %d %s", stale.status, stale.body)
	}
	for name, change := range map[string]wire.LessonChange{
		"at":       {Revision: 2, At: "nowhere"},
		"material": {Revision: 2, Material: "pebbles"},
		"children": {Revision: 2, Children: []string{h.wren.String(), h.wren.String()}},
		"tasks":    {Revision: 2, Stand: "asleep"},
	} {
		if got := lead.send("PATCH", path, change); got.status != 422 || got.trouble(t).Field != name {
			t.Errorf("%+v: %d %s", change, got.status, got.body)
		}
	}
	var desk wire.Desk
	lead.send("GET", lead.class(""), nil).into(t, &desk)
	if desk.InHand == nil || desk.InHand.ID != ask.ID || desk.InHand.Ribbon[desk.InHand.Mark].Name != "ones" || desk.InHand.Next != "Swap for one ten" {
		t.Errorf("in hand: %+v", desk.InHand)
	}
	assistant := h.person("assistant")
	var theirs wire.Desk
	assistant.send("GET", assistant.class(""), nil).into(t, &theirs)
	if theirs.InHand != nil || len(theirs.Open) != 1 {
		t.Errorf("the assistant's desk: %+v %+v", theirs.InHand, theirs.Open)
	}
	var alone wire.Lesson
	assistant.send("PATCH", path, wire.LessonChange{Revision: 2, Alone: true}).into(t, &alone)
	if len(alone.Children) != 0 {
		t.Errorf("alone with %v", alone.Children)
	}
	lead.send("PATCH", path, wire.LessonChange{Revision: 3, Stand: "ended"})
	if got := lead.send("PATCH", path, wire.LessonChange{Revision: 4, At: "read/0"}); got.status != 409 || !strings.Contains(got.trouble(t).Title, "ended") {
		t.Errorf("an ended lesson: %d %s", got.status, got.body)
	}
}

func TestPasswords(t *testing.T) {
	if !strings.HasPrefix(hash, "$argon2id$v=19$m=19456,t=2,p=1$") {
		t.Errorf("hashed as %s", hash)
	}
	other, err := server.HashPassword(password)
	if err != nil || other == hash {
		t.Errorf("two hashes are alike: %v", err)
	}
	if _, err := server.HashPassword("short"); err == nil {
		t.Error("a short password was taken")
	}
}

func Example() {
	for _, r := range server.Routes()[:2] {
		fmt.Println(r.Method, r.Path, r.Least)
	}
	// Output:
	// GET  viewer
	// GET /choices viewer
}

// tasks are problems of a kind as a screen sends them to open a lesson.
func tasks(kind, stage string, problems ...[]int) []wire.NewTask {
	out := make([]wire.NewTask, len(problems))
	for i, numbers := range problems {
		record, _ := json.Marshal(map[string]any{"kind": kind, "version": 2, "data": map[string]any{"numbers": numbers}})
		out[i] = wire.NewTask{Task: record, Stage: stage}
	}
	return out
}
