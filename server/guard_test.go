package server_test

import (
	"bytes"
	"compress/gzip"
	"context"
	"database/sql"
	"fmt"
	"io"
	"log/slog"
	"net"
	"net/http"
	"net/netip"
	"os"
	"reflect"
	"strings"
	"testing"
	"time"

	"github.com/google/uuid"

	"vineswap/core/book"
	"vineswap/core/ladder"
	"vineswap/core/material"
	"vineswap/core/problem"
	"vineswap/pgtest"
	"vineswap/server"
	"vineswap/store"
	"vineswap/wire"
)

func packed(t *testing.T, text []byte) []byte {
	t.Helper()
	var out bytes.Buffer
	w := gzip.NewWriter(&out)
	if _, err := w.Write(text); err != nil {
		t.Fatal(err)
	}
	if err := w.Close(); err != nil {
		t.Fatal(err)
	}
	return out.Bytes()
}

// What a body's header says is enough to refuse it, whoever sends it: none of it is
// read, and no work is done.
func TestBodiesThatAreNotRead(t *testing.T) {
	h := newHouse(t)
	lead, nobody := h.person("lead"), h.nobody()
	twice := packed(t, packed(t, bytes.Repeat([]byte("0"), 8<<20)))
	for name, c := range map[string]struct {
		who    person
		path   string
		body   io.Reader
		length int64
		spoil  func(*http.Request)
		want   int
	}{
		"packed twice":              {nobody, "/api/login", bytes.NewReader(twice), int64(len(twice)), func(r *http.Request) { r.Header.Set("Content-Encoding", "gzip, gzip") }, 415},
		"packed, by somebody":       {lead, lead.class("/look"), bytes.NewReader(twice), int64(len(twice)), func(r *http.Request) { r.Header.Set("Content-Encoding", "gzip") }, 415},
		"said to be plain":          {nobody, "/api/login", strings.NewReader(`{}`), 2, func(r *http.Request) { r.Header.Set("Content-Encoding", "identity") }, 415},
		"of no length":              {nobody, "/api/login", io.MultiReader(strings.NewReader(`{"email":"a"}`)), -1, func(*http.Request) {}, 411},
		"a form":                    {nobody, "/api/login", strings.NewReader(`email=a`), 7, func(r *http.Request) { r.Header.Set("Content-Type", "application/x-www-form-urlencoded") }, 415},
		"a form with a file":        {nobody, "/api/login", strings.NewReader("--x\r\n"), 5, func(r *http.Request) { r.Header.Set("Content-Type", "multipart/form-data; boundary=x") }, 415},
		"to read something":         {nobody, "/", strings.NewReader(`{}`), 2, func(r *http.Request) { r.Method = "GET" }, 400},
		"where nothing is":          {nobody, "/nowhere", bytes.NewReader(make([]byte, 100_000)), 100_000, func(*http.Request) {}, 404},
		"of no type":                {nobody, "/api/login", strings.NewReader(`{}`), 2, func(r *http.Request) { r.Header.Del("Content-Type") }, 415},
		"too long for anybody":      {nobody, "/api/login", bytes.NewReader(make([]byte, 5_000)), 5_000, func(*http.Request) {}, 413},
		"to join, too long":         {nobody, "/api/invitations/ABCDEFGHIJKLMNOPQRSTUVWXYZ", bytes.NewReader(make([]byte, 5_000)), 5_000, func(*http.Request) {}, 413},
		"nobody's, and long":        {nobody, lead.class("/look"), bytes.NewReader(make([]byte, 100_000)), 100_000, func(*http.Request) {}, 401},
		"too long for somebody":     {lead, lead.class("/look"), bytes.NewReader(make([]byte, 200_000)), 200_000, func(*http.Request) {}, 413},
		"an email that is too long": {nobody, "/api/login", strings.NewReader(`{"email":"` + strings.Repeat("a", 300) + `","password":"x"}`), 330, func(*http.Request) {}, 422},
	} {
		req, err := http.NewRequest("POST", h.url+c.path, c.body)
		if err != nil {
			t.Fatal(err)
		}
		if req.ContentLength = c.length; name == "an email that is too long" {
			req.ContentLength = int64(len(`{"email":"","password":"x"}`) + 300)
		}
		req.Header.Set("Content-Type", "application/json")
		req.Header.Set("X-Csrf-Token", c.who.token())
		c.spoil(req)
		got := c.who.round(req)
		if got.status != c.want {
			t.Errorf("%s: %d, want %d: %s", name, got.status, c.want, got.body)
		} else {
			got.trouble(t)
		}
		if unread := c.length > 8<<10; unread && !got.closes {
			t.Errorf("%s: what was not read is taken for the next request", name)
		}
	}
	if got := lead.send("POST", lead.class("/look"), wire.Typed{Text: "47+25"}); got.status != 200 {
		t.Errorf("and what is right: %d %s", got.status, got.body)
	}
}

// A body that is announced and never comes does not keep the answer from whoever may
// not send it.
func TestABodyThatNeverComes(t *testing.T) {
	h := newHouse(t)
	conn, err := net.Dial("tcp", strings.TrimPrefix(h.url, "http://"))
	if err != nil {
		t.Fatal(err)
	}
	defer conn.Close()
	fmt.Fprintf(conn, "POST %s HTTP/1.1\r\nHost: x\r\nContent-Type: application/json\r\nContent-Encoding: gzip\r\nContent-Length: 100000\r\n\r\n%s", h.nobody().class("/look"), strings.Repeat(" ", 9_000))
	_ = conn.SetReadDeadline(time.Now().Add(5 * time.Second))
	first := make([]byte, 12)
	if _, err := io.ReadFull(conn, first); err != nil || string(first) != "HTTP/1.1 415" {
		t.Errorf("%q, %v", first, err)
	}
}

// count is how many rows a table has.
func (h house) count(table string) int {
	h.Helper()
	db, err := sql.Open("pgx", h.db)
	if err != nil {
		h.Fatal(err)
	}
	defer db.Close()
	var n int
	if err := db.QueryRow(`select count(*) from ` + table).Scan(&n); err != nil {
		h.Fatal(err)
	}
	return n
}

// Strangers leave no row: not by asking, not with cookies that they made up.
func TestStrangersLeaveNoRow(t *testing.T) {
	h := newHouse(t)
	for i := range 60 {
		p := h.nobody()
		for _, path := range []string{"/api/me", "/api/nowhere", p.class(""), "/", "/api/invitations/" + strings.Repeat("A", 26), "/healthz", "/readyz"} {
			req, _ := http.NewRequest("GET", h.url+path, nil)
			req.Header.Set("Cookie", fmt.Sprintf("vineswap_session=%043d; vineswap_token=x; vineswap_device=%043d", i, i))
			if got := p.round(req); got.header.Get("Set-Cookie") != "" {
				t.Fatalf("%s sets %q", path, got.header.Get("Set-Cookie"))
			}
		}
		p.send("POST", "/api/logout", nil)
	}
	for _, table := range []string{"session", "known_device", "login_try"} {
		if n := h.count(table); n != 0 {
			t.Errorf("%d rows of %s", n, table)
		}
	}
}

// guess tries a password as somebody whose address a proxy tells.
func (h house) guess(from, email, word, cookies string) int {
	h.Helper()
	req, err := http.NewRequest("POST", h.url+"/api/login", strings.NewReader(`{"email":"`+email+`","password":"`+word+`"}`))
	if err != nil {
		h.Fatal(err)
	}
	req.Header.Set("Content-Type", "application/json")
	req.Header.Set("X-Forwarded-For", from)
	req.Header.Set("Cookie", cookies)
	return h.nobody().round(req).status
}

// Guessing at one account is limited wherever it comes from, and so is guessing at
// many from one address. The owner gets in on a device that is known.
func TestLoginIsLimited(t *testing.T) {
	h := newHouse(t)
	proxied := h
	proxied.url = h.serve(server.Options{Store: h.store, Screens: screens, Proxies: []netip.Prefix{netip.MustParsePrefix("127.0.0.1/32"), netip.MustParsePrefix("10.0.0.0/8")}})

	// The lead has logged in on this device before.
	lead := h.person("lead")
	req, _ := http.NewRequest("GET", h.url, nil)
	device := ""
	for _, c := range lead.client.Jar.Cookies(req.URL) {
		if c.Name == "vineswap_device" {
			device = c.Name + "=" + c.Value
		}
	}
	statuses := map[int]int{}
	for i := range 30 { // from thirty addresses
		statuses[proxied.guess(fmt.Sprintf("203.0.113.%d", i), "lead@school.test", "guess-guess", "")]++
	}
	if statuses[401] != 10 || statuses[429] != 20 {
		t.Errorf("guessing at one account: %v", statuses)
	}
	if got := proxied.guess("203.0.113.99", "lead@school.test", password, ""); got != 429 {
		t.Errorf("and then the right password from elsewhere: %d", got)
	}
	if got := proxied.guess("203.0.113.99", "lead@school.test", password, device); got != 200 {
		t.Errorf("the owner on a known device: %d", got)
	}
	if got := proxied.guess("203.0.113.99", "viewer@school.test", password, ""); got != 200 {
		t.Errorf("another account: %d", got)
	}

	// One password for many accounts, from one address behind two proxies; what the
	// sender makes up before that counts for nothing.
	statuses = map[int]int{}
	for i := range 60 {
		statuses[proxied.guess(fmt.Sprintf("198.51.100.%d, 203.0.113.7, 10.1.2.3", i), fmt.Sprintf("nobody%d@school.test", i), "spring-2026", "")]++
	}
	if statuses[401] != 40-1 || statuses[429] != 21 { // one try was made from there above
		t.Errorf("one password for many accounts: %v", statuses)
	}
	// One network of the newer kind is one sender.
	for i := range 41 {
		statuses[proxied.guess(fmt.Sprintf("2001:db8:1:2::%x", i+1), fmt.Sprintf("other%d@school.test", i), "spring-2026", "")]++
	}
	if got := proxied.guess("2001:db8:1:2:ffff::1", "assistant@school.test", password, ""); got != 429 {
		t.Errorf("a neighbour in the network: %d", got)
	}
	if got := proxied.guess("2001:db8:1:3::1", "assistant@school.test", password, ""); got != 200 {
		t.Errorf("the network beside it: %d", got)
	}

	// Without a proxy that is ours the header is worth nothing.
	statuses = map[int]int{}
	for i := range 45 {
		statuses[h.guess(fmt.Sprintf("192.0.2.%d", i), fmt.Sprintf("third%d@school.test", i), "spring-2026", "")]++
	}
	if statuses[429] < 5 {
		t.Errorf("addresses that the sender made up: %v", statuses)
	}
	if n := h.count("login_try"); n > 300 {
		t.Errorf("%d rows", n)
	}
	for _, text := range []string{"lead@school.test", "203.0.113", "nobody1@"} {
		if found := rowsLike(t, h.db, text); found != nil {
			t.Errorf("%q lies in %v", text, found)
		}
	}
}

// A password is changed only by who knows it; then every other session is gone, and
// this one has another secret.
func TestAccess(t *testing.T) {
	h := newHouse(t)
	here, there := h.person("assistant"), h.person("assistant")
	var access wire.Access
	here.send("GET", "/api/account", nil).into(t, &access)
	if len(access.Places) != 2 || access.Places[0].Here == access.Places[1].Here || access.Email != "assistant@school.test" {
		t.Errorf("%+v", access)
	}
	for name, c := range map[string]struct {
		ask    wire.NewPassword
		status int
		field  string
	}{
		"not my password": {wire.NewPassword{Password: "guess-guess", New: "walnuts-and-wax"}, 422, "password"},
		"too short":       {wire.NewPassword{Password: password, New: "plums"}, 422, "new"},
		"no new one":      {wire.NewPassword{Password: password}, 422, "new"},
	} {
		if got := here.send("POST", "/api/account/password", c.ask); got.status != c.status || got.trouble(t).Field != c.field {
			t.Errorf("%s: %d %s", name, got.status, got.body)
		}
	}
	token := here.token()
	if got := here.send("POST", "/api/account/password", wire.NewPassword{Password: password, New: "walnuts-and-wax"}); got.status != 200 {
		t.Fatalf("%d %s", got.status, got.body)
	}
	if here.token() == token {
		t.Error("the token is the same as before")
	}
	if got := here.send("GET", "/api/me", nil); got.status != 200 {
		t.Errorf("here: %d", got.status)
	}
	if got := there.send("GET", "/api/me", nil); got.status != 401 {
		t.Errorf("elsewhere: %d", got.status)
	}
	elsewhere := h.nobody()
	if got := elsewhere.send("POST", "/api/login", wire.Login{Email: "assistant@school.test", Password: "walnuts-and-wax"}); got.status != 200 {
		t.Fatalf("with the new password: %d", got.status)
	}
	here.send("POST", "/api/account/elsewhere", nil).into(t, &access)
	if got := elsewhere.send("GET", "/api/me", nil); got.status != 401 || len(access.Places) != 1 {
		t.Errorf("signed out elsewhere: %d, %+v", got.status, access)
	}
	if got := here.send("POST", "/api/account/close", wire.CloseAccount{Password: password}); got.status != 422 {
		t.Errorf("closing with the old password: %d", got.status)
	}
	if got := here.send("POST", "/api/account/close", wire.CloseAccount{Password: "walnuts-and-wax"}); got.status != 204 || !strings.Contains(got.header.Get("Clear-Site-Data"), "cache") {
		t.Errorf("closing: %d %v", got.status, got.header)
	}
	if got := here.send("GET", "/api/me", nil); got.status != 401 {
		t.Errorf("closed, and %d", got.status)
	}
	if got := h.person("lead").send("POST", "/api/account/close", wire.CloseAccount{Password: password}); got.status != 409 || got.trouble(t).Field != "close" {
		t.Errorf("the only lead: %d %s", got.status, got.body)
	}
}

// Whoever is taken out of the class, or may do less, is so at the next request.
func TestMembersAreOutAtOnce(t *testing.T) {
	h := newHouse(t)
	lead, assistant := h.person("lead"), h.person("assistant")
	var people wire.People
	lead.send("GET", lead.class("/people"), nil).into(t, &people)
	id := map[string]string{}
	for _, m := range people.Members {
		id[m.Name] = m.ID
	}
	typed := wire.Typed{Text: "47+25"}
	if got := lead.send("PATCH", lead.class("/members/"+id["assistant"]), wire.ChangeMember{Role: "viewer"}); got.status != 200 {
		t.Fatalf("%d %s", got.status, got.body)
	}
	if got := assistant.send("POST", lead.class("/look"), typed); got.status != 403 {
		t.Errorf("as a viewer: %d", got.status)
	}
	if got := lead.send("DELETE", lead.class("/members/"+id["assistant"]), nil); got.status != 200 {
		t.Fatalf("%d %s", got.status, got.body)
	}
	if got := assistant.send("GET", lead.class(""), nil); got.status != 404 {
		t.Errorf("removed, and %d", got.status)
	}
	for _, method := range []string{"DELETE", "PATCH"} {
		if got := lead.send(method, lead.class("/members/"+id["lead"]), wire.ChangeMember{Role: "viewer"}); got.status != 409 || got.trouble(t).Field != "role" {
			t.Errorf("%s the only lead: %d %s", method, got.status, got.body)
		}
	}
	var link wire.Invited
	lead.send("POST", lead.class("/invitations"), wire.Invite{Role: "viewer"}).into(t, &link)
	lead.send("GET", lead.class("/people"), nil).into(t, &people)
	if len(people.Open) != 1 || people.Open[0].By != "lead" || people.Open[0].Role != "viewer" {
		t.Fatalf("%+v", people.Open)
	}
	if got := lead.send("DELETE", lead.class("/invitations/"+people.Open[0].ID), nil); got.status != 200 {
		t.Errorf("withdrawing: %d %s", got.status, got.body)
	}
	if got := h.nobody().send("GET", "/api/invitations/"+strings.TrimPrefix(link.Path, "#/join/"), nil); got.status != 404 {
		t.Errorf("withdrawn, and %d", got.status)
	}
}

// A child who has left is the lead's affair: an assistant of the old class can record
// nothing of it any more, and nobody anything of one who is erased.
func TestAChildWhoHasLeft(t *testing.T) {
	h := newHouse(t)
	lead, assistant := h.person("lead"), h.person("assistant")
	path := lead.class("/lessons/" + lead.lessonOf(h.wren) + "/observations")
	if got := assistant.send("POST", path, observed(h.wren)); got.status != 200 {
		t.Fatalf("%d %s", got.status, got.body)
	}
	if err := h.store.MoveLearner(context.Background(), h.orchard, h.bees, h.wren, time.Now()); err != nil {
		t.Fatal(err)
	}
	if got := assistant.send("POST", path, observed(h.wren)); got.status != 422 || got.trouble(t).Field != "learner" {
		t.Errorf("an assistant, after the child moved: %d %s", got.status, got.body)
	}
	var kept wire.Recorded
	lead.send("POST", path, observed(h.wren)).into(t, &kept)
	if !strings.Contains(kept.Notice, "another class") {
		t.Errorf("the lead hears %q", kept.Notice)
	}
	if err := h.store.EraseLearner(context.Background(), h.bees, h.wren); err != nil {
		t.Fatal(err)
	}
	for _, p := range []person{lead, assistant} {
		if got := p.send("POST", path, observed(h.wren)); got.status != 422 || !got.trouble(t).Erased {
			t.Errorf("of an erased child: %d %s", got.status, got.body)
		}
	}
}

// Signs that cannot be seen or typed, numbers that are too large and days of long ago
// are refused beside their field; no request ends in a 500.
func TestWhatNoFieldCanHave(t *testing.T) {
	h := newHouse(t)
	lead := h.person("lead")
	lesson := lead.lessonOf(h.wren)
	name := func(text string) wire.AddLearners {
		return wire.AddLearners{Learners: []wire.Learner{{ID: uuid.NewString(), Name: text}}}
	}
	record := func(spoil func(*wire.Observe)) wire.Observe {
		o := observed(h.wren)
		spoil(&o)
		return o
	}
	note := "a\x00b"
	for what, c := range map[string]struct {
		method, path string
		body         any
		status       int
		field        string
	}{
		"NUL in a name":                  {"POST", "/learners", name("Ada\x00"), 422, "name"},
		"a bell in a name":               {"POST", "/learners", name("Ada\x07"), 422, "name"},
		"turning round":                  {"POST", "/learners", name("Ada\u202eW."), 422, "name"},
		"nothing to see":                 {"POST", "/learners", name("\u200b\u200b"), 422, "name"},
		"a hidden space":                 {"POST", "/learners", name("Ada\u2060 W."), 422, "name"},
		"a filler":                       {"POST", "/learners", name("\u3164"), 422, "name"},
		"a joiner at the end":            {"POST", "/learners", name("Ada\u200d"), 422, "name"},
		"a joiner between letters":       {"POST", "/learners", name("श्री क\u094d\u200dष"), 200, ""},
		"a name of another script":       {"POST", "/learners", name("مریم\u200cگل"), 200, ""},
		"NUL in an answer":               {"POST", "/lessons/" + lesson + "/observations", record(func(o *wire.Observe) { o.Answer, o.Came = "7\x002", "typed" }), 422, "answer"},
		"NUL in a note":                  {"POST", "/lessons/" + lesson + "/observations", record(func(o *wire.Observe) { o.Note = &note }), 422, "note"},
		"a day of long ago":              {"POST", "/lessons/" + lesson + "/observations", record(func(o *wire.Observe) { o.Day = "1899-12-31" }), 422, "day"},
		"the year nought":                {"POST", "/lessons/" + lesson + "/observations", record(func(o *wire.Observe) { o.Day = "0000-01-01" }), 422, "day"},
		"a day of long ago, looked":      {"GET", "/lessons?day=1899-12-31", nil, 422, "day"},
		"runs beyond an integer":         {"POST", "/lessons/" + lesson + "/observations", `{"id":"` + uuid.NewString() + `","learner":"` + h.wren.String() + `","runs":3000000000,"came":"marked","help":"alone","manner":"pieces"}`, 422, "runs"},
		"runs beyond all integers":       {"POST", "/lessons/" + lesson + "/observations", `{"runs":99999999999999999999}`, 400, "runs"},
		"a revision beyond all":          {"PATCH", "/lessons/" + lesson, `{"revision":3000000000,"at":"work/ones/0"}`, 422, "revision"},
		"an estimate beyond all":         {"POST", "/lessons/" + lesson + "/estimates", `{"learner":"` + h.wren.String() + `","value":9000000000}`, 422, "value"},
		"NUL in a choice's name":         {"POST", "/kept", wire.KeptChoice{ID: uuid.NewString(), Name: "a\x00", Choice: wire.Choose{Digits: []int{2, 2}}}, 422, "name"},
		"a choice turned round":          {"POST", "/kept", wire.KeptChoice{ID: uuid.NewString(), Name: "a\u202eb", Choice: wire.Choose{Digits: []int{2, 2}}}, 422, "name"},
		"NUL in a sum":                   {"POST", "/look", wire.Typed{Text: "4\x007+25"}, 422, "text"},
		"NUL in a reason":                {"POST", "/learners/" + h.wren.String() + "/judgements", wire.Judge{ID: uuid.NewString(), Stage: "joining/no-swap", Manner: "pieces", State: "secure", Reason: "a\x00"}, 422, "reason"},
		"NUL in a place":                 {"POST", "/choose", wire.Choose{Digits: []int{2, 2}, Count: 1, Swap: map[string]string{"ones": "yes\x00"}}, 422, "swap"},
		"a record of a strange id":       {"GET", "/learners/" + h.wren.String() + "/entries?after=x", nil, 422, "after"},
		"a strand of strange characters": {"GET", "/vines?strand=%00", nil, 422, "strand"},
	} {
		got := lead.send(c.method, lead.class(c.path), c.body)
		if got.status != c.status || c.status != 200 && got.trouble(t).Field != c.field {
			t.Errorf("%s: %d %s", what, got.status, got.body)
		}
	}
	for _, l := range []wire.Login{{Email: "a\x00", Password: "x"}, {Email: "a", Password: "x\x00"}} {
		if got := h.nobody().send("POST", "/api/login", l); got.status != 422 {
			t.Errorf("%q: %d %s", l, got.status, got.body)
		}
	}
}

// A database that cannot be reached, or does not answer, is said to be so: never that
// nobody is logged in, or that something is not allowed. Nothing is changed by it, and
// all goes on when it is back.
func TestTheDatabaseInTrouble(t *testing.T) {
	h := newHouse(t)
	link := pgtest.Between(t, h.db)
	far := h
	far.store = pgtest.Open(t, link.URL)
	far.url = h.serve(server.Options{Store: far.store, Screens: screens, Now: func() time.Time { return time.Date(2026, 11, 25, 11, 30, 0, 0, time.UTC) }})
	lead := far.person("lead")
	lesson := lead.lessonOf(h.wren)
	observe := observed(h.wren)
	link.Cut()
	for _, c := range []struct {
		who          person
		method, path string
		body         any
		want         int
	}{
		{lead, "GET", "/api/me", nil, 503}, {lead, "GET", lead.class(""), nil, 503}, {lead, "GET", lead.class("/vines"), nil, 503},
		{lead, "POST", lead.class("/lessons/" + lesson + "/observations"), observe, 503}, {lead, "POST", "/api/logout", nil, 503},
		{far.nobody(), "POST", "/api/login", wire.Login{Email: "lead@school.test", Password: password}, 503},
		{far.nobody(), "GET", "/api/invitations/" + strings.Repeat("A", 26), nil, 503},
		{far.nobody(), "GET", "/api/me", nil, 401}, {far.nobody(), "GET", "/healthz", nil, 200}, {far.nobody(), "GET", "/readyz", nil, 503}, {far.nobody(), "GET", "/", nil, 200},
	} {
		got := c.who.send(c.method, c.path, c.body)
		if got.status != c.want || c.want == 503 && got.header.Get("Retry-After") == "" {
			t.Errorf("%s %s: %d %v %s", c.method, c.path, got.status, got.header["Retry-After"], got.body)
		}
	}
	link.Mend()
	if got := lead.send("POST", lead.class("/lessons/"+lesson+"/observations"), observe); got.status != 200 {
		t.Errorf("once it is back: %d %s", got.status, got.body)
	}
	link.Freeze()
	defer link.Mend()
	began := time.Now()
	if got := far.nobody().send("GET", "/readyz", nil); got.status != 503 || time.Since(began) > 30*time.Second {
		t.Errorf("frozen: %d after %v", got.status, time.Since(began))
	}
	if got := far.nobody().send("GET", "/healthz", nil); got.status != 200 {
		t.Errorf("frozen, the process: %d", got.status)
	}
}

// A database that only lets read is read, and says so to who writes.
func TestADatabaseThatOnlyLetsRead(t *testing.T) {
	h := newHouse(t)
	lead := h.person("lead")
	lesson := lead.lessonOf(h.wren)
	pgtest.Exec(t, h.db, `update session set seen_at = now() - interval '1 hour'`, `do $$ begin execute 'alter database ' || current_database() || ' set default_transaction_read_only = on'; end $$`)
	far := h
	far.store = pgtest.Open(t, h.db)
	far.url = h.serve(server.Options{Store: far.store, Screens: screens, Now: func() time.Time { return time.Date(2026, 11, 25, 11, 30, 0, 0, time.UTC) }})
	reader := person{far, lead.client}
	for _, path := range []string{"/api/me", lead.class(""), lead.class("/vines"), lead.class("/today"), lead.class("/learners/" + h.wren.String())} {
		if got := reader.send("GET", path, nil); got.status != 200 {
			t.Errorf("%s: %d %s", path, got.status, got.body)
		}
	}
	if got := reader.send("POST", lead.class("/lessons/"+lesson+"/observations"), observed(h.wren)); got.status != 503 {
		t.Errorf("a write: %d %s", got.status, got.body)
	}
}

// What is still true of a class is not sent again, and a record makes it another.
func TestWhatIsStillTrueIsNotSentAgain(t *testing.T) {
	h := newHouse(t)
	lead := h.person("lead")
	lesson := lead.lessonOf(h.wren)
	ask := func(tag string) reply {
		req, _ := http.NewRequest("GET", h.url+lead.class("/vines"), nil)
		req.Header.Set("If-None-Match", tag)
		return lead.round(req)
	}
	first := ask("")
	tag := first.header.Get("ETag")
	if cache := first.header.Get("Cache-Control"); first.status != 200 || tag == "" || cache != "private, no-cache" {
		t.Fatalf("%d %q %q", first.status, tag, cache)
	}
	if got := ask(tag); got.status != 304 || len(got.body) != 0 {
		t.Errorf("unchanged: %d", got.status)
	}
	changed := func(what string) {
		t.Helper()
		got := ask(tag)
		if got.status != 200 || got.header.Get("ETag") == tag || bytes.Equal(got.body, first.body) {
			t.Errorf("%s: %d", what, got.status)
		}
		tag, first = got.header.Get("ETag"), got
	}
	lead.send("POST", lead.class("/lessons/"+lesson+"/observations"), observed(h.wren))
	changed("a record")
	if err := h.store.RenameLearner(context.Background(), h.orchard, h.wren, "Wren Q."); err != nil {
		t.Fatal(err)
	}
	changed("another name")
	settings := trading()
	settings.Range = "1000"
	if got := lead.send("PUT", lead.class("/settings"), settings); got.status != 200 {
		t.Fatalf("%d %s", got.status, got.body)
	}
	changed("another range")
	// A child's page likewise; an assistant's is another one than the lead's.
	page := func(p person, tag string) reply {
		req, _ := http.NewRequest("GET", h.url+p.class("/learners/"+h.wren.String()), nil)
		req.Header.Set("If-None-Match", tag)
		return p.round(req)
	}
	assistant := h.person("assistant")
	mine, theirs := page(lead, ""), page(assistant, "")
	if mine.status != 200 || mine.header.Get("ETag") == theirs.header.Get("ETag") {
		t.Errorf("%d, and the lead's page has the tag of the assistant's: %q", mine.status, mine.header.Get("ETag"))
	}
	if got := page(lead, mine.header.Get("ETag")); got.status != 304 {
		t.Errorf("an unchanged child: %d", got.status)
	}
	lead.send("POST", lead.class("/learners/"+h.wren.String()+"/judgements"), wire.Judge{ID: uuid.NewString(), Stage: "joining/no-swap", Manner: "pieces", State: "secure", Reason: "seen at the honey stall"})
	if got := page(lead, mine.header.Get("ETag")); got.status != 200 || !bytes.Contains(got.body, []byte("honey stall")) {
		t.Errorf("a child that was judged: %d", got.status)
	}
	if got := page(assistant, ""); bytes.Contains(got.body, []byte("honey stall")) {
		t.Error("an assistant reads a reason")
	}
	first = ask("")
	if got := ask(`"x"`); got.status != 200 || !bytes.Equal(got.body, first.body) {
		t.Errorf("another tag: %d", got.status)
	}
	if got := lead.send("GET", lead.class("/vines?strand=nowhere"), nil); got.header.Get("Cache-Control") != "no-store" {
		t.Errorf("what is refused may be kept: %q", got.header.Get("Cache-Control"))
	}
}

// A child's page begins with its newest records; the older ones come in parts, each
// once and none left out, while new ones are recorded.
func TestAChildsRecordsComeInParts(t *testing.T) {
	h := newHouse(t)
	lead := h.person("lead")
	keeper, err := h.store.AccountByEmail(context.Background(), "lead@school.test")
	if err != nil {
		t.Fatal(err)
	}
	var list []store.Observation
	for i := range 150 {
		o := recordOf(h, keeper)
		o.Day = book.Day(20_700 + i/7)
		list = append(list, o)
	}
	if err := h.store.RecordAll(context.Background(), list); err != nil {
		t.Fatal(err)
	}
	var view wire.LearnerView
	lead.send("GET", lead.class("/learners/"+h.wren.String()), nil).into(t, &view)
	part, seen := view.Part, map[string]bool{}
	for parts := 1; ; parts++ {
		for _, e := range part.Entries {
			if seen[e.ID] {
				t.Fatalf("%s came twice", e.ID)
			}
			seen[e.ID] = true
		}
		if !part.More {
			break
		}
		late := recordOf(h, keeper)
		late.Day = 20_780
		if err := h.store.Record(context.Background(), late, true); err != nil {
			t.Fatal(err)
		}
		last := part.Entries[len(part.Entries)-1].ID
		part = wire.EntryPart{}
		lead.send("GET", lead.class("/learners/"+h.wren.String()+"/entries?after="+last), nil).into(t, &part)
		if parts > 9 {
			t.Fatal("there is no end")
		}
	}
	if len(view.Part.Entries) >= 100 || len(seen) != 150 {
		t.Errorf("%d at first, %d in all", len(view.Part.Entries), len(seen))
	}
}

// Neither a child's name nor the word of a link is written into a log.
func TestLogsKeepSecrets(t *testing.T) {
	h := newHouse(t)
	var ours bytes.Buffer
	before := slog.Default()
	slog.SetDefault(slog.New(slog.NewTextHandler(&ours, &slog.HandlerOptions{Level: slog.LevelDebug})))
	t.Cleanup(func() { slog.SetDefault(before) })
	lead := h.person("lead")
	var link wire.Invited
	lead.send("POST", lead.class("/invitations"), wire.Invite{Role: "viewer"}).into(t, &link)
	word := strings.TrimPrefix(link.Path, "#/join/")
	h.nobody().send("GET", "/api/invitations/"+word, nil)
	h.nobody().send("POST", "/api/invitations/"+word, wire.Join{})
	if !strings.Contains(ours.String(), "/api/invitations/:word") || strings.Contains(ours.String(), word) {
		t.Errorf("our log: %s", ours.String())
	}
	for range 2 {
		lead.send("POST", lead.class("/learners"), wire.AddLearners{Learners: []wire.Learner{{ID: uuid.NewString(), Name: "Xanthippe Z."}, {ID: uuid.NewString(), Name: "Xanthippe Z."}}})
	}
	lead.send("POST", lead.class("/learners"), wire.AddLearners{Learners: []wire.Learner{{ID: uuid.NewString(), Name: "Xanthippe Z."}}})
	name := "xanthippe z."
	if got := lead.send("PATCH", lead.class("/learners/"+h.wren.String()), wire.ChangeLearner{Name: &name}); got.status != 409 {
		t.Errorf("a name that is used: %d %s", got.status, got.body)
	}
	log, err := os.ReadFile(pgtest.Log())
	if err != nil || len(log) == 0 {
		t.Fatalf("%d bytes, %v", len(log), err)
	}
	if bytes.Contains(bytes.ToLower(log), []byte("xanthippe")) {
		t.Error("PostgreSQL's log has a child's name in it")
	}
}

// recordOf is a right answer of Wren at a sum.
func recordOf(h house, by store.Account) store.Observation {
	o := store.Observation{ID: uuid.New(), ClassID: h.orchard, LearnerID: h.wren, RecordedBy: by.ID, RecordedAt: time.Now()}
	o.Task, o.Manner, o.Material, o.Help, o.Answer, o.Came, o.Runs = problem.SumOf(47, 25).Task(), book.Pieces, material.Beads, book.Alone, "72", book.Typed, 1
	return o
}

// Two servers on one database: whoever logs in at one is logged in at the other, tries
// are counted together, and what one records the other shows at once.
func TestTwoServersOnOneDatabase(t *testing.T) {
	h := newHouse(t)
	other := h
	other.store = pgtest.Open(t, h.db)
	other.url = h.serve(server.Options{Store: other.store, Screens: screens, Now: func() time.Time { return time.Date(2026, 11, 25, 11, 30, 0, 0, time.UTC) }})
	lead := h.person("lead")
	there := person{other, lead.client} // cookies know no port
	lesson := lead.lessonOf(h.wren)
	vines := func(p person) (tag string, shown wire.Vines) {
		t.Helper()
		got := p.send("GET", p.class("/vines"), nil)
		if got.status != 200 {
			t.Fatalf("%d %s", got.status, got.body)
		}
		got.into(t, &shown)
		return got.header.Get("ETag"), shown
	}
	before, _ := vines(there)
	for range 3 {
		if got := lead.send("POST", lead.class("/lessons/"+lesson+"/observations"), observed(h.wren)); got.status != 200 {
			t.Fatalf("%d %s", got.status, got.body)
		}
		here, mine := vines(lead)
		elsewhere, theirs := vines(there)
		if elsewhere == before || here != elsewhere || !reflect.DeepEqual(mine, theirs) {
			t.Error("the other server shows another class")
		}
		// And the other one goes on from what this one has judged.
		if got := there.send("POST", lead.class("/lessons/"+lesson+"/observations"), observed(h.wren)); got.status != 200 {
			t.Fatalf("%d %s", got.status, got.body)
		}
		before, _ = vines(there)
	}
	class, err := h.store.Class(context.Background(), h.orchard)
	if err != nil {
		t.Fatal(err)
	}
	stands := func() ladder.Standings {
		child, err := pgtest.Open(t, h.db).StandOf(context.Background(), class, h.wren)
		if err != nil {
			t.Fatal(err)
		}
		return child.Standings
	}
	went := stands()
	if _, err := h.store.Rejudge(context.Background()); err != nil {
		t.Fatal(err)
	}
	if anew := stands(); !reflect.DeepEqual(went, anew) {
		t.Errorf("recorded by turns: %+v, judged anew %+v", went, anew)
	}
	statuses := map[int]int{}
	for i := range 20 {
		at := []house{h, other}[i%2]
		statuses[at.guess("", "viewer@school.test", "guess-guess", "")]++
	}
	if statuses[401] != 10 || statuses[429] != 10 {
		t.Errorf("tries at both: %v", statuses)
	}
	if got := there.send("POST", "/api/logout", nil); got.status != 204 {
		t.Errorf("logging out there: %d", got.status)
	}
	if got := lead.send("GET", "/api/me", nil); got.status != 401 {
		t.Errorf("and here: %d", got.status)
	}
}

// How many statements a request has, counted in PostgreSQL's log: what is read once is
// not read again.
func TestStatementsOfARequest(t *testing.T) {
	h := newHouse(t)
	lead := h.person("lead")
	keeper, err := h.store.AccountByEmail(context.Background(), "lead@school.test")
	if err != nil {
		t.Fatal(err)
	}
	var list []store.Observation
	for i := range 300 {
		o := recordOf(h, keeper)
		o.Day = book.Day(20_700 + i/7)
		list = append(list, o)
	}
	if err := h.store.RecordAll(context.Background(), list); err != nil {
		t.Fatal(err)
	}
	var lessons []string
	for range 6 {
		lessons = append(lessons, lead.lessonOf(h.wren))
	}
	pgtest.Exec(t, h.db, `do $$ begin execute 'alter database ' || current_database() || ' set log_statement = ''all'''; end $$`)
	far := h
	far.store = pgtest.Open(t, h.db)
	far.url = h.serve(server.Options{Store: far.store, Screens: screens, Now: func() time.Time { return time.Date(2026, 11, 25, 11, 30, 0, 0, time.UTC) }})
	p := person{far, lead.client}
	statements := func() int {
		log, err := os.ReadFile(pgtest.Log())
		if err != nil {
			t.Fatal(err)
		}
		return bytes.Count(log, []byte("LOG:  execute ")) + bytes.Count(log, []byte("LOG:  statement: "))
	}
	observe := func(i int) (string, string, any) {
		return "POST", p.class("/lessons/" + lessons[i] + "/observations"), observed(h.wren)
	}
	for _, c := range []struct {
		what string
		most int
		ask  func(i int) (method, path string, body any)
	}{
		{"an observation", 12, observe},
		{"Class", 4, func(int) (string, string, any) { return "GET", p.class("/vines"), nil }},
		{"Today", 7, func(int) (string, string, any) { return "GET", p.class("/today"), nil }},
		{"a child's page", 8, func(int) (string, string, any) { return "GET", p.class("/learners/" + h.wren.String()), nil }},
		{"the class's desk, with six open lessons", 6, func(int) (string, string, any) { return "GET", p.class(""), nil }},
	} {
		for i := range 3 { // the first of a connection is prepared beside
			had := statements()
			method, path, body := c.ask(i)
			if got := p.send(method, path, body); got.status != 200 {
				t.Fatalf("%s: %d %s", c.what, got.status, got.body)
			}
			if n := statements() - had; n > c.most || n == 0 {
				t.Errorf("%s: %d statements, at most %d are asked for", c.what, n, c.most)
			}
		}
	}
}

// A connection on which nothing is asked does not keep the server from stopping.
func TestStoppingEndsIdleConnections(t *testing.T) {
	h := newHouse(t)
	srv, err := server.New(server.Options{Store: h.store, Screens: screens})
	if err != nil {
		t.Fatal(err)
	}
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		t.Fatal(err)
	}
	ctx, stop := context.WithCancel(context.Background())
	ended := make(chan error, 1)
	go func() { ended <- srv.Serve(ctx, l) }()
	silent, err := net.Dial("tcp", l.Addr().String())
	if err != nil {
		t.Fatal(err)
	}
	defer silent.Close()
	used, err := net.Dial("tcp", l.Addr().String())
	if err != nil {
		t.Fatal(err)
	}
	defer used.Close()
	fmt.Fprint(used, "GET /healthz HTTP/1.1\r\nHost: x\r\n\r\n")
	if n, err := used.Read(make([]byte, 2_000)); n == 0 || err != nil {
		t.Fatal(err)
	}
	began := time.Now()
	stop()
	if err := <-ended; err != nil || time.Since(began) > 30*time.Second {
		t.Errorf("it stopped after %v with %v", time.Since(began), err)
	}
}
