package server_test

import (
	"bufio"
	"bytes"
	"context"
	"encoding/json"
	"fmt"
	"net/http"
	"slices"
	"strings"
	"testing"
	"time"

	"github.com/google/uuid"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/material"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/pgtest"
	"vineswap/store"
	"vineswap/wire"
)

// lines reads what is told on the way; the last is the answer.
func lines[T any](t *testing.T, got reply) (all []T) {
	t.Helper()
	if got.status != 200 {
		t.Fatalf("%d %s", got.status, got.body)
	}
	in := bufio.NewScanner(bytes.NewReader(got.body))
	in.Buffer(nil, 10<<20)
	for in.Scan() {
		var line T
		if err := json.Unmarshal(in.Bytes(), &line); err != nil {
			t.Fatal(err, in.Text())
		}
		all = append(all, line)
	}
	return all
}

func answer[T any](t *testing.T, got reply) (made T) {
	t.Helper()
	if got.status != 200 {
		t.Fatalf("%d %s", got.status, got.body)
	}
	if err := json.Unmarshal(got.body, &made); err != nil {
		t.Fatal(err)
	}
	return made
}

// twelve adds children to the class, of whom some have worked.
func (h house) twelve(t *testing.T) []string {
	t.Helper()
	ctx := context.Background()
	lead, err := h.store.AccountByEmail(ctx, "lead@school.test")
	if err != nil {
		t.Fatal(err)
	}
	ids := []string{h.wren.String()}
	for i := range 11 {
		l := store.Learner{ID: uuid.New(), Name: fmt.Sprintf("Child %02d", i)}
		if err := h.store.AddLearner(ctx, h.orchard, l, time.Date(2026, 9, 1, 0, 0, 0, 0, time.UTC)); err != nil {
			t.Fatal(err)
		}
		ids = append(ids, l.ID.String())
		var seen []store.Observation
		for n := range 3 * (i % 4) {
			p := problem.SumOf(place.Number(15+n), 27)
			o := store.Observation{ID: uuid.New(), ClassID: h.orchard, LearnerID: l.ID, RecordedBy: lead.ID, RecordedAt: time.Now()}
			o.Observation = book.Observation{Task: p.Task(), Stage: choose.StageOf(p), Manner: book.Column, Material: material.Beads, Help: book.Alone, Answer: p.Answer().String(), Came: book.Typed, Runs: 1, Day: book.DayOf(time.Date(2026, 11, 20+n%4, 0, 0, 0, 0, time.UTC))}
			seen = append(seen, o)
		}
		if err := h.store.RecordAll(ctx, seen); err != nil {
			t.Fatal(err)
		}
	}
	return ids
}

// Sheets for twelve, each from where it stands: looked at, printed into one file, kept under a
// code, and printed again as they were.
func TestSheetsForTwelve(t *testing.T) {
	h := newHouse(t)
	ids := h.twelve(t)
	p := h.person("assistant")
	ask := askedSheet(ids[0])
	ask.Children, ask.Count = ids, 9
	ask.Child = ids[3]
	look := answer[wire.SheetLook](t, p.send("POST", p.class("/sheets/look"), ask))
	inGroups := 0
	for _, g := range look.Groups {
		inGroups += len(g.Children)
	}
	if len(look.Pages) != 1 || !strings.HasPrefix(look.Pages[0], "<svg") || look.Sheets != 12 || inGroups != 12 || len(look.Groups) < 2 || look.Title != "Child 02" || !strings.Contains(look.Says, "9 tasks") || look.Stands == "" {
		t.Errorf("%d pages, %d sheets, %d in %d groups, %q, %q, %q", len(look.Pages), look.Sheets, inGroups, len(look.Groups), look.Title, look.Says, look.Stands)
	}
	told := lines[wire.SheetPrinted](t, p.send("POST", p.class("/sheets"), ask))
	last := told[len(told)-1]
	if len(told) < 20 || last.Trouble != nil || last.Done != last.Of || last.Code == "" || !strings.HasPrefix(last.File, "JVBERi") || !strings.Contains(last.Name, last.Code) {
		t.Fatalf("%d lines, the last %+v", len(told), last.Trouble)
	}
	again := lines[wire.SheetPrinted](t, p.send("POST", p.class("/sheets"), ask))
	if code := again[len(again)-1].Code; code != last.Code {
		t.Errorf("sent twice, it has the codes %s and %s", last.Code, code)
	}
	first := p.send("GET", p.class("/sheets/"+last.Code+"/print.pdf"), nil)
	kept, err := h.store.SheetByCode(context.Background(), h.orchard, last.Code)
	if err != nil || first.status != 200 || len(kept.Children) != 12 {
		t.Fatalf("%d, %v", first.status, err)
	}
	own, _ := kept.Of(uuid.MustParse(ids[3]))
	for _, item := range own {
		if text := fmt.Sprint(item.Task); !strings.Contains(look.Pages[0], ">"+string(text[0])+"</text>") {
			t.Errorf("%s was not looked at", text)
		}
	}
	if other, _ := kept.Of(uuid.MustParse(ids[7])); len(own) != 9 || len(other) != 9 || own[0].Task.Key() == other[0].Task.Key() && own[1].Task.Key() == other[1].Task.Key() {
		t.Errorf("%v and %v", own, other)
	}
	// The children move on, and the class writes otherwise: the code gives the same sheet.
	class, err := h.store.Class(context.Background(), h.orchard)
	if err != nil {
		t.Fatal(err)
	}
	class.Settings.Carried = "under"
	if err := h.store.SetSettings(context.Background(), h.orchard, class.Revision, class.Settings); err != nil {
		t.Fatal(err)
	}
	later := p.send("GET", p.class("/sheets/"+strings.ToLower(last.Code)+"/print.pdf"), nil)
	if later.status != 200 || !bytes.Equal(first.body, later.body) || later.header.Get("Content-Type") != "application/pdf" {
		t.Errorf("another sheet: %d, %d and %d bytes", later.status, len(first.body), len(later.body))
	}
	// What was on it is not on the next one.
	ask.ID, ask.Seed = uuid.NewString(), 4
	next := lines[wire.SheetPrinted](t, p.send("POST", p.class("/sheets"), ask))
	then, err := h.store.SheetByCode(context.Background(), h.orchard, next[len(next)-1].Code)
	if err != nil {
		t.Fatal(err)
	}
	after, _ := then.Of(uuid.MustParse(ids[3]))
	for _, item := range after {
		for _, before := range own {
			if item.Task.Key() == before.Task.Key() {
				t.Errorf("%s comes again", item.Task)
			}
		}
	}
}

// Sheets of every kind can be looked at and printed; what cannot be is said beside its cause.
func TestEveryKindOfSheet(t *testing.T) {
	h := newHouse(t)
	p := h.person("lead")
	all := answer[wire.Sheets](t, p.send("GET", p.class("/sheets"), nil))
	if len(all.Kinds) != 14 || len(all.Children) != 1 {
		t.Fatalf("%d kinds, %d children", len(all.Kinds), len(all.Children))
	}
	for _, k := range all.Kinds {
		ask := askedSheet(h.wren.String())
		ask.Kind, ask.Count = k.Kind, k.Usual
		if ask.Boxes, ask.Signs = k.Columns, k.Columns; k.Kind == "minute" {
			ask.Facts = "doubles"
		}
		look := answer[wire.SheetLook](t, p.send("POST", p.class("/sheets/look"), ask))
		told := lines[wire.SheetPrinted](t, p.send("POST", p.class("/sheets"), ask))
		if last := told[len(told)-1]; len(look.Pages) == 0 || last.File == "" || last.Trouble != nil || (last.Code != "") != (k.Each || k.Kind == "minute") {
			t.Errorf("%s: %d pages, %+v", k.Kind, len(look.Pages), last.Trouble)
		}
	}
	for field, change := range map[string]func(*wire.AskSheet){
		"kind":  func(a *wire.AskSheet) { a.Kind = "columm" },
		"count": func(a *wire.AskSheet) { a.Count = 7 },
		"paper": func(a *wire.AskSheet) { a.Paper = "a5" },
		"stage": func(a *wire.AskSheet) { a.Stage = "joining/within-ten" },
		"tasks": func(a *wire.AskSheet) { a.Tasks = "47+25; 47/3" },
	} {
		ask := askedSheet(h.wren.String())
		change(&ask)
		for _, path := range []string{"/sheets", "/sheets/look"} {
			if got := p.send("POST", p.class(path), ask); got.status != 422 || got.trouble(t).Field != field {
				t.Errorf("%s of %s: %d %s", path, field, got.status, got.body)
			}
		}
	}
	typed := askedSheet(h.wren.String())
	typed.Tasks = "47+25; 503-128"
	told := lines[wire.SheetPrinted](t, p.send("POST", p.class("/sheets"), typed))
	kept, err := h.store.SheetByCode(context.Background(), h.orchard, told[len(told)-1].Code)
	if err != nil || len(kept.Tasks) != 2 || kept.Tasks[0].Task.Key() != "sum:47+25" || kept.Tasks[0].Stage != choose.OneSwapOnes {
		t.Errorf("%+v, %v", kept.Tasks, err)
	}
	stranger := askedSheet(h.mina.String())
	if got := p.send("POST", p.class("/sheets"), stranger); got.status != 422 {
		t.Errorf("for a child of another class: %d %s", got.status, got.body)
	}
}

// A name that cannot be printed whole is said; the sheet is printed all the same.
func TestANameThatCannotBePrinted(t *testing.T) {
	h := newHouse(t)
	odd := store.Learner{ID: uuid.New(), Name: "美 A."}
	if err := h.store.AddLearner(context.Background(), h.orchard, odd, time.Now()); err != nil {
		t.Fatal(err)
	}
	p := h.person("lead")
	ask := askedSheet(odd.ID.String())
	if look := answer[wire.SheetLook](t, p.send("POST", p.class("/sheets/look"), ask)); !slices.Equal(look.Unprinted, []string{"美 A."}) || !strings.Contains(look.Pages[0], "□ A.") {
		t.Errorf("%v", look.Unprinted)
	}
}

// Whoever goes while sheets are printed leaves nothing behind.
func TestPrintingIsGivenUp(t *testing.T) {
	h := newHouse(t)
	ids := h.twelve(t)
	p := h.person("lead")
	ask := askedSheet(ids[0])
	for len(ask.Children) < 60 {
		ask.Children = append(ask.Children, ids[len(ask.Children)%12])
	}
	ask.Count, ask.Stage = 12, string(choose.AcrossZeros)
	data, _ := json.Marshal(ask)
	ctx, stop := context.WithCancel(t.Context())
	req, err := http.NewRequestWithContext(ctx, "POST", h.url+p.class("/sheets"), bytes.NewReader(data))
	if err != nil {
		t.Fatal(err)
	}
	req.Header.Set("Content-Type", "application/json")
	for _, c := range p.client.Jar.Cookies(req.URL) {
		if strings.Contains(c.Name, "token") || strings.Contains(c.Name, "csrf") {
			req.Header.Set("X-Csrf-Token", c.Value)
		}
	}
	res, err := p.client.Do(req)
	if err != nil {
		t.Fatal(err)
	}
	if _, err := bufio.NewReader(res.Body).ReadString('\n'); err != nil {
		t.Fatal(err)
	}
	stop()
	_ = res.Body.Close()
	deadline := time.Now().Add(20 * time.Second)
	for { // it may have been kept for a moment, and is taken back
		out, err := h.store.SheetsOut(t.Context(), h.orchard, 10)
		if err != nil {
			t.Fatal(err)
		}
		if len(out) == 0 {
			break
		}
		if time.Now().After(deadline) {
			t.Fatalf("%d sheets are kept", len(out))
		}
		time.Sleep(20 * time.Millisecond)
	}
}

// printed prints a sheet of two tasks for Wren and returns it.
func (h house) printed(t *testing.T, p person) store.Sheet {
	t.Helper()
	ask := askedSheet(h.wren.String())
	ask.Tasks = "47+25; 38+27"
	told := lines[wire.SheetPrinted](t, p.send("POST", p.class("/sheets"), ask))
	kept, err := h.store.SheetByCode(t.Context(), h.orchard, told[len(told)-1].Code)
	if err != nil {
		t.Fatal(err)
	}
	return kept
}

// Answers are typed back by the code: judged, named, corrected, wiped, and once for each task.
func TestAnswersBack(t *testing.T) {
	h := newHouse(t)
	p := h.person("assistant")
	kept := h.printed(t, p)
	at := p.class("/sheets/" + kept.Code)
	page := answer[wire.SheetAnswers](t, p.send("GET", at, nil))
	if len(page.Children) != 1 || len(page.Children[0].Cells) != 2 || page.Children[0].Cells[0].Text != "47+25" || page.Children[0].Cells[0].Result != "72" || page.Sheet.Says != "0 of 1 typed" {
		t.Fatalf("%+v", page)
	}
	help := answer[wire.AnswerHelp](t, p.send("GET", at+"/learners/"+h.wren.String(), nil))
	named := slices.ContainsFunc(help.Tasks[0].Wrong, func(g wire.Gave) bool {
		return g.Answer == "62" && g.Slips[0][0] == "drops-new-ten" && help.Slips["drops-new-ten"].Says != ""
	})
	if !named || len(help.Tasks[0].Numbers) != 2 {
		t.Errorf("62 is not named: %+v", help.Tasks[0].Wrong)
	}
	keep := func(answers ...wire.OneAnswer) reply {
		for i := range answers {
			if answers[i].ID == "" {
				answers[i].ID = uuid.NewString()
			}
		}
		return p.send("POST", at+"/answers", wire.KeepAnswers{ID: uuid.NewString(), Learner: h.wren.String(), Answers: answers})
	}
	first := answer[wire.KeptAnswers](t, keep(wire.OneAnswer{Nth: 0, Answer: "62"}))
	cell := first.Row.Cells[0]
	if cell.Kept == nil || cell.Kept.Answer != "62" || cell.Kept.Right || first.Sheet.Says != "1 of 1 typed" {
		t.Fatalf("%+v", first)
	}
	if got := keep(wire.OneAnswer{Nth: 0, Answer: "72"}); got.status != 409 || got.trouble(t).Field != "replaces" {
		t.Errorf("typed without seeing the other: %d %s", got.status, got.body)
	}
	second := answer[wire.KeptAnswers](t, keep(wire.OneAnswer{Nth: 0, Turned: true, Replaces: cell.Kept.Record}, wire.OneAnswer{Nth: 1, Answer: ""}))
	if k := second.Row.Cells[0].Kept; k == nil || !k.Right || !k.Turned || k.Answer != "72" {
		t.Errorf("%+v", second.Row.Cells[0])
	}
	if k := second.Row.Cells[1].Kept; k == nil || k.Right || k.Answer != "" {
		t.Errorf("no answer is %+v", second.Row.Cells[1])
	}
	wiped := answer[wire.KeptAnswers](t, keep(wire.OneAnswer{Nth: 1, Wiped: true, Replaces: second.Row.Cells[1].Kept.Record}))
	if wiped.Row.Cells[1].Kept != nil {
		t.Errorf("%+v", wiped.Row.Cells[1])
	}
	if got := keep(wire.OneAnswer{Nth: 9, Answer: "1"}); got.status != 422 {
		t.Errorf("a task that is not there: %d", got.status)
	}
	missing := answer[wire.KeptAnswers](t, p.send("PUT", at+"/missing", wire.SetMissing{Learner: h.wren.String(), Missing: true}))
	if !missing.Row.Missing {
		t.Errorf("%+v", missing.Row)
	}
	seen, err := h.store.Observations(t.Context(), h.wren)
	if err != nil || len(seen) != 4 || !seen[0].Paper || seen[0].Manner != book.Column || seen[0].Help != book.Alone {
		t.Errorf("%d records, %v", len(seen), err)
	}
	csv := h.person("lead").send("GET", at+"/answers.csv", nil)
	if !strings.Contains(string(csv.body), "Wren A.,47+25,72,") || !strings.Contains(csv.header.Get("Content-Disposition"), "answers "+kept.Code+".csv") {
		t.Errorf("%s %v", csv.body, csv.header)
	}
	if got := p.send("GET", p.class("/sheets/Q99"), nil); got.status != 404 || got.trouble(t).Field != "code" {
		t.Errorf("an unknown code: %d %s", got.status, got.body)
	}
}

// A child who left: the lead can still type its answers, and it is said; of one who is erased
// nothing is kept.
func TestAnswersOfChildrenWhoAreGone(t *testing.T) {
	h := newHouse(t)
	kept := h.printed(t, h.person("lead"))
	if err := h.store.RetireLearner(t.Context(), h.orchard, h.wren, time.Now()); err != nil {
		t.Fatal(err)
	}
	ask := wire.KeepAnswers{ID: uuid.NewString(), Learner: h.wren.String(), Answers: []wire.OneAnswer{{ID: uuid.NewString(), Answer: "72"}}}
	helper, lead := h.person("assistant"), h.person("lead")
	if got := helper.send("POST", helper.class("/sheets/"+kept.Code+"/answers"), ask); got.status != 422 {
		t.Errorf("by the assistant: %d", got.status)
	}
	page := answer[wire.SheetAnswers](t, lead.send("GET", lead.class("/sheets/"+kept.Code), nil))
	if len(page.Left) != 1 || page.Children[0].Here {
		t.Errorf("%+v", page.Left)
	}
	if got := answer[wire.KeptAnswers](t, lead.send("POST", lead.class("/sheets/"+kept.Code+"/answers"), ask)); !strings.Contains(got.Notice, "has left") || got.Row.Cells[0].Kept == nil {
		t.Errorf("%+v", got)
	}
	if err := h.store.EraseLearner(t.Context(), h.orchard, h.wren); err != nil {
		t.Fatal(err)
	}
	ask.Answers[0].ID = uuid.NewString()
	if got := lead.send("POST", lead.class("/sheets/"+kept.Code+"/answers"), ask); got.status != 422 || !got.trouble(t).Erased {
		t.Errorf("of an erased child: %d %s", got.status, got.body)
	}
	if got := answer[wire.SheetAnswers](t, lead.send("GET", lead.class("/sheets/"+kept.Code), nil)); len(got.Children) != 0 {
		t.Errorf("%+v", got.Children)
	}
}

func TestMinutesOfFacts(t *testing.T) {
	h := newHouse(t)
	p := h.person("assistant")
	keep := wire.KeepMinute{ID: uuid.NewString(), Learner: h.wren.String(), Facts: "doubles", Seconds: 60, Tried: 20, Right: 18, Day: "2026-11-24"}
	row := answer[wire.AnswerRow](t, p.send("POST", p.class("/minutes"), keep))
	if row.Minute == nil || len(row.Minute.Before) != 1 || row.Minute.Before[0].Right != 18 {
		t.Fatalf("%+v", row)
	}
	mended := keep
	mended.ID, mended.Right, mended.Replaces = uuid.NewString(), 19, keep.ID
	if got := p.send("POST", p.class("/minutes"), mended); got.status != 200 {
		t.Errorf("%d %s", got.status, got.body)
	}
	for field, change := range map[string]func(*wire.KeepMinute){
		"right": func(m *wire.KeepMinute) { m.Right = 21 }, "day": func(m *wire.KeepMinute) { m.Day = "2027-01-01" }, "replaces": func(m *wire.KeepMinute) { m.Replaces = keep.ID },
	} {
		m := keep
		m.ID = uuid.NewString()
		change(&m)
		if got := p.send("POST", p.class("/minutes"), m); got.status != 422 && got.status != 409 || got.trouble(t).Field != field {
			t.Errorf("%s: %d %s", field, got.status, got.body)
		}
	}
	page := answer[wire.Minutes](t, p.send("GET", p.class("/minutes?facts=doubles"), nil))
	if len(page.Children) != 1 || len(page.Children[0].Minute.Before) != 1 || page.Children[0].Minute.Before[0].Right != 19 {
		t.Errorf("%+v", page)
	}
	if other := answer[wire.Minutes](t, p.send("GET", p.class("/minutes?facts=bonds"), nil)); len(other.Children[0].Minute.Before) != 0 {
		t.Errorf("%+v", other)
	}
}

// sent sends a file in parts.
func (p person) sent(t testing.TB, file string) string {
	t.Helper()
	id := uuid.NewString()
	if got := p.send("POST", p.class("/imports"), wire.NewImport{ID: id, Bytes: len(file)}); got.status != 200 {
		t.Fatalf("%d %s", got.status, got.body)
	}
	for nth := 0; len(file) > 0; nth++ {
		n := min(len(file), 60_000)
		if got := p.send("POST", p.class("/imports/"+id+"/parts"), wire.ImportPart{Nth: nth, Data: []byte(file[:n])}); got.status != 200 {
			t.Fatalf("%d %s", got.status, got.body)
		}
		file = file[n:]
	}
	return id
}

// A file of answers: read first, each bad line with its reason; then the good ones are kept, or
// none, as is asked for.
func TestAFileOfAnswers(t *testing.T) {
	h := newHouse(t)
	p := h.person("assistant")
	file := "\ufefflearner;problem;answer;day\r\nWren A.;47+25;72;2026-11-20\r\nWren A.;38+27;55;\r\nBo X.;1+1;2;\r\nWren A.;47+;3;\r\n"
	id := p.sent(t, file)
	ask := func(id, keep, code string) wire.Imported {
		all := lines[wire.Imported](t, p.send("POST", p.class("/imports/"+id), wire.ReadImport{Keep: keep, Code: code}))
		return all[len(all)-1]
	}
	got := ask(id, "", "")
	if !got.Ended || got.Good != 2 || got.Bad != 2 || len(got.Lines) != 2 || got.Lines[0].Line != 4 || !strings.Contains(got.Lines[0].Why, "nobody in the class") || !strings.Contains(got.Lines[1].Why, "problem") || got.Kept {
		t.Errorf("%+v", got)
	}
	if got := ask(id, "all", ""); got.Kept || got.Good != 2 {
		t.Errorf("all or none: %+v", got)
	}
	if seen, err := h.store.Observations(t.Context(), h.wren); len(seen) != 0 || err != nil {
		t.Errorf("%d are kept, %v", len(seen), err)
	}
	if got := ask(id, "good", ""); !got.Kept || got.Says != "2 lines kept, 2 lines left out." {
		t.Errorf("%+v", got)
	}
	seen, err := h.store.Observations(t.Context(), h.wren)
	if err != nil || len(seen) != 2 || seen[0].Manner != book.Column || seen[0].Help != book.Alone || !seen[0].Paper {
		t.Errorf("%d are kept, %v", len(seen), err)
	}
	class, err := h.store.Class(t.Context(), h.orchard)
	if err != nil {
		t.Fatal(err)
	}
	child, err := h.store.StandOf(t.Context(), class, h.wren)
	if err != nil || child.Standings[ladder.Key{Stage: choose.OneSwapOnes, Manner: book.Column}].Tried != 2 {
		t.Errorf("%+v, %v", child.Standings, err)
	}
	if got := ask(p.sent(t, file), "", ""); got.Good != 0 || got.Bad != 4 || !strings.Contains(got.Lines[0].Why, "in the book already") {
		t.Errorf("read a second time: %+v", got)
	}
	// With the code of a sheet they count as the sheet has it.
	kept := h.printed(t, p)
	if got := ask(p.sent(t, "learner,problem,answer\nWren A.,47+25,72\nWren A.,12+13,25\n"), "good", kept.Code); got.Good != 1 || got.Bad != 1 || !strings.Contains(got.Lines[0].Why, "not on the child’s sheet") {
		t.Errorf("%+v", got)
	}
	if on, err := h.store.SheetAnswers(t.Context(), kept.ID); len(on) != 1 || err != nil {
		t.Errorf("%d on the sheet, %v", len(on), err)
	}
	if got := p.send("POST", p.class("/imports/"+p.sent(t, file)), wire.ReadImport{Code: "Q99"}); got.status != 422 || got.trouble(t).Field != "code" {
		t.Errorf("an unknown code: %d %s", got.status, got.body)
	}
}

// BenchmarkImport takes over 100,000 answers of 24 children in 224 days, alone and while others are answered:
// what the file takes from the request to its last record, and the longest answer beside it, with
// records of one of the class among them.
func BenchmarkImport(b *testing.B) {
	h := newHouse(b)
	var table strings.Builder
	table.WriteString("learner,problem,answer,day\n")
	for i := range 24 {
		if err := h.store.AddLearner(b.Context(), h.orchard, store.Learner{ID: uuid.New(), Name: fmt.Sprintf("Child %02d", i)}, time.Date(2026, 9, 1, 0, 0, 0, 0, time.UTC)); err != nil {
			b.Fatal(err)
		}
	}
	for i := range 100_000 { // every sixth is ten too much
		a, b := 100+i%800, 100+i/800%800
		fmt.Fprintf(&table, "Child %02d,%d+%d,%d,2026-%02d-%02d\n", i%24, a, b, a+b+i%6/5*10, 3+i%8, 1+i/8%28)
	}
	p, q := h.person("lead"), h.person("assistant")
	lesson := q.lessonOf(h.wren)
	taken := func(b *testing.B, beside func(ended <-chan time.Duration) time.Duration) {
		for b.Loop() {
			id := p.sent(b, table.String())
			ended := make(chan time.Duration, 1)
			go func() {
				began := time.Now()
				got := p.send("POST", p.class("/imports/"+id), wire.ReadImport{Keep: "good"})
				if !bytes.Contains(got.body, []byte(`"kept":true`)) {
					b.Errorf("%d %.300s", got.status, got.body[max(0, len(got.body)-300):])
				}
				ended <- time.Since(began)
			}()
			b.ReportMetric(beside(ended).Seconds(), "s/file")
			pgtest.Exec(b, h.db, `delete from observation where paper`)
		}
	}
	b.Run("alone", func(b *testing.B) {
		taken(b, func(ended <-chan time.Duration) time.Duration { return <-ended })
	})
	b.Run("beside others", func(b *testing.B) {
		taken(b, func(ended <-chan time.Duration) time.Duration {
			longest, asked := time.Duration(0), 0
			for {
				began := time.Now()
				if got := q.send("GET", q.class("/today"), nil); got.status != 200 {
					b.Fatalf("%d %s", got.status, got.body)
				}
				if got := q.send("POST", q.class("/lessons/"+lesson+"/observations"), observed(h.wren)); got.status != 200 {
					b.Fatalf("%d %s", got.status, got.body)
				}
				longest, asked = max(longest, time.Since(began)/2), asked+2
				select {
				case took := <-ended:
					b.ReportMetric(float64(longest.Milliseconds()), "ms-longest-answer")
					b.ReportMetric(float64(asked), "answers-beside")
					return took
				default:
				}
			}
		})
	})
}

func TestFilesThatCannotBeRead(t *testing.T) {
	h := newHouse(t)
	p := h.person("lead")
	all := lines[wire.Imported](t, p.send("POST", p.class("/imports/"+p.sent(t, "PK\x00\x00")), wire.ReadImport{}))
	if last := all[len(all)-1]; last.Trouble == nil || last.Trouble.Field != "file" || !strings.Contains(last.Trouble.Remedy, "CSV") {
		t.Errorf("%+v", last)
	}
	for want, bytes := range map[string]int{"This file is too long": 17 << 20, "This file is empty": 0} {
		if got := p.send("POST", p.class("/imports"), wire.NewImport{ID: uuid.NewString(), Bytes: bytes}); got.status != 422 || got.trouble(t).Title != want {
			t.Errorf("%s: %d %s", want, got.status, got.body)
		}
	}
	id := p.sent(t, "learner,problem,answer\n")
	other := h.person("assistant")
	if got := other.send("POST", p.class("/imports/"+id), wire.ReadImport{}); got.status != 404 {
		t.Errorf("another's file: %d %s", got.status, got.body)
	}
	if got := p.send("DELETE", p.class("/imports/"+id), nil); got.status != 200 {
		t.Errorf("%d", got.status)
	}
	if got := p.send("POST", p.class("/imports/"+id), wire.ReadImport{}); got.status != 404 || got.trouble(t).Field != "file" {
		t.Errorf("given up: %d %s", got.status, got.body)
	}
}
