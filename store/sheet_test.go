package store_test

import (
	"context"
	"encoding/binary"
	"errors"
	"fmt"
	"iter"
	"reflect"
	"slices"
	"testing"
	"time"

	"github.com/google/uuid"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/setting"
	"vineswap/core/sheet"
	"vineswap/store"
)

func items(problems ...problem.Problem) []sheet.Item {
	var list []sheet.Item
	for _, p := range problems {
		list = append(list, sheet.Item{Task: p.Task(), Stage: choose.StageOf(p)})
	}
	return list
}

// sheet is a sheet of Wren's and Jory's, each with numbers of its own.
func (s school) sheet() store.Sheet {
	spec := sheet.Usual(sheet.Column)
	spec.Seed = 12
	return store.Sheet{ID: uuid.New(), ClassID: s.orchard.ID, Spec: spec, Settings: setting.Default(), Day: today, MadeBy: s.hanne.ID, Children: []store.SheetChild{
		{LearnerID: s.wren.ID, Tasks: items(problem.SumOf(47, 25), problem.SumOf(38, 27))}, {LearnerID: s.jory.ID, Tasks: items(problem.SumOf(12, 34))},
	}}
}

// onSheet is an answer of Wren's to a task of a sheet.
func (s school) onSheet(made store.Sheet, nth int, answer string) store.Observation {
	own, _ := made.Of(s.wren.ID)
	o := s.seen(1, 2, today)
	o.Task, o.Stage, o.Manner, o.Answer, o.Came, o.Paper = own[nth].Task, own[nth].Stage, book.Column, answer, book.Typed, true
	o.SheetID, o.Nth = uuid.NullUUID{UUID: made.ID, Valid: true}, nth
	return o
}

// A sheet is kept under a code; the code gives the same sheet after the class has changed.
func TestSheets(t *testing.T) {
	s := newSchool(t)
	made := s.sheet()
	code, err := s.AddSheet(ctx, made)
	must(t, err)
	if again, err := s.AddSheet(ctx, made); again != code || err != nil {
		t.Errorf("kept twice: %q and %q, %v", code, again, err)
	}
	settings := setting.Default()
	settings.Carried = "under"
	must(t, s.SetSettings(ctx, s.orchard.ID, 1, settings))
	got, err := s.SheetByCode(ctx, s.orchard.ID, code)
	must(t, err)
	made.Code = code
	made.Children[0].Name, made.Children[0].Here, made.Children[1].Name, made.Children[1].Here = "Wren A.", true, "Jory P.", true
	if got.Settings.Carried != setting.Default().Carried || !reflect.DeepEqual(got.Children, made.Children) || got.Spec != made.Spec || got.Day != made.Day || got.ID != made.ID {
		t.Errorf("%+v, not %+v", got, made)
	}
	if _, err := s.SheetByCode(ctx, s.bees.ID, code); !errors.Is(err, store.ErrNone) {
		t.Errorf("by its code from another class: %v", err)
	}
	if _, err := s.Sheet(ctx, s.bees.ID, made.ID); !errors.Is(err, store.ErrNone) {
		t.Errorf("from another class: %v", err)
	}
	foreign := s.sheet()
	foreign.Children[0].LearnerID = s.mina.ID
	if _, err := s.AddSheet(ctx, foreign); !errors.Is(err, store.ErrNone) {
		t.Errorf("for a child of another class: %v", err)
	}
	taken := s.sheet()
	taken.ID, taken.ClassID = made.ID, s.bees.ID
	if _, err := s.AddSheet(ctx, taken); !errors.Is(err, store.ErrTaken) {
		t.Errorf("with an id that is used: %v", err)
	}
	codes := map[string]bool{code: true}
	for range 220 { // more than there are short codes
		next := s.sheet()
		next.Children = nil
		code, err := s.AddSheet(ctx, next)
		must(t, err)
		if codes[code] {
			t.Fatalf("%s is used twice", code)
		}
		codes[code] = true
	}
}

// Tasks that all children have are kept once.
func TestASheetForAll(t *testing.T) {
	s := newSchool(t)
	made := s.sheet()
	made.Tasks = items(problem.SumOf(47, 25))
	made.Children[0].Tasks, made.Children[1].Tasks = nil, nil
	code, err := s.AddSheet(ctx, made)
	must(t, err)
	got, err := s.SheetByCode(ctx, s.orchard.ID, code)
	must(t, err)
	for _, id := range []uuid.UUID{s.wren.ID, s.jory.ID} {
		if own, has := got.Of(id); !has || len(own) != 1 || own[0].Task.Key() != "sum:47+25" {
			t.Errorf("%v, %t", own, has)
		}
	}
	if _, has := got.Of(s.mina.ID); has {
		t.Error("a child has a sheet that was not printed for it")
	}
	had, err := s.OnSheets(ctx, s.orchard.ID, []uuid.UUID{s.wren.ID}, today)
	must(t, err)
	if len(had[s.wren.ID.String()]) != 1 {
		t.Errorf("had %v", had)
	}
	if had, err = s.OnSheets(ctx, s.orchard.ID, []uuid.UUID{s.wren.ID}, today+1); len(had) != 0 || err != nil {
		t.Errorf("had later %v, %v", had, err)
	}
}

// Answers stand at their task of the sheet, once; they are corrected and withdrawn like any
// record, and count.
func TestAnswersOfASheet(t *testing.T) {
	s := newSchool(t)
	made := s.sheet()
	_, err := s.AddSheet(ctx, made)
	must(t, err)
	first := s.onSheet(made, 0, "62")
	must(t, s.Record(ctx, first, false), s.Record(ctx, first, false))
	other := s.onSheet(made, 0, "72")
	if err := s.Record(ctx, other, false); !errors.Is(err, store.ErrTwice) {
		t.Errorf("typed elsewhere meanwhile: %v", err)
	}
	must(t, s.Record(ctx, correcting(first, "72"), false), s.Record(ctx, s.onSheet(made, 1, "65"), false))
	list, err := s.SheetAnswers(ctx, made.ID)
	must(t, err)
	if len(list) != 2 || list[0].Answer != "72" || !list[0].Paper || list[0].Nth != 0 || list[1].Nth != 1 {
		t.Errorf("%+v", list)
	}
	standing := standOf(t, s.Store, s.orchard.ID, s.wren.ID).Standings[ladder.Key{Stage: choose.OneSwapOnes, Manner: book.Column}]
	if standing.Alone != 2 || standing.Near != 0 {
		t.Errorf("it stands as %+v", standing)
	}
	must(t, s.SetMissing(ctx, s.orchard.ID, made.ID, s.jory.ID, true))
	if err := s.SetMissing(ctx, s.orchard.ID, made.ID, s.mina.ID, true); !errors.Is(err, store.ErrNone) {
		t.Errorf("a child without the sheet: %v", err)
	}
	out, err := s.SheetsOut(ctx, s.orchard.ID, 10)
	must(t, err)
	if len(out) != 1 || out[0].Children != 2 || out[0].Typed != 2 || out[0].Kind != sheet.Column {
		t.Errorf("%+v", out)
	}
}

// Of a child who is erased nothing stays of its sheets; of one who left the sheet stays.
func TestSheetsOfChildrenWhoAreGone(t *testing.T) {
	s := newSchool(t)
	made := s.sheet()
	_, err := s.AddSheet(ctx, made)
	must(t, err)
	must(t, s.Record(ctx, s.onSheet(made, 0, "62"), false))
	must(t, s.KeepMinute(ctx, s.minute(20, 18)))
	must(t, s.RetireLearner(ctx, s.orchard.ID, s.jory.ID, today.Time()), s.EraseLearner(ctx, s.orchard.ID, s.wren.ID))
	got, err := s.Sheet(ctx, s.orchard.ID, made.ID)
	must(t, err)
	if len(got.Children) != 1 || got.Children[0].Here || got.Children[0].Name != "Jory P." {
		t.Errorf("%+v", got.Children)
	}
	if list, err := s.SheetAnswers(ctx, made.ID); len(list) != 0 || err != nil {
		t.Errorf("%v, %v", list, err)
	}
	for _, table := range []string{"sheet_child", "minute", "observation"} {
		if left := rows(t, s.url, fmt.Sprintf(`select to_jsonb(r)::text from %s r where learner_id = '%s'`, table, s.wren.ID)); len(left) > 0 {
			t.Errorf("%s still has %v", table, left)
		}
	}
	if err := s.Record(ctx, s.onSheet(made, 1, "65"), false); !errors.Is(err, store.ErrErased) {
		t.Errorf("an answer of a child who is erased: %v", err)
	}
}

func (s school) minute(tried, right int) store.Minute {
	return store.Minute{ID: uuid.New(), ClassID: s.orchard.ID, LearnerID: s.wren.ID, Timed: sheet.Timed{Facts: sheet.Doubles, Seconds: 60, Tried: tried, Right: right}, Day: today, KeptBy: s.hanne.ID}
}

func TestMinutes(t *testing.T) {
	s := newSchool(t)
	first := s.minute(20, 18)
	must(t, s.KeepMinute(ctx, first), s.KeepMinute(ctx, first))
	mended := s.minute(21, 18)
	mended.Replaces = uuid.NullUUID{UUID: first.ID, Valid: true}
	must(t, s.KeepMinute(ctx, mended))
	stale := s.minute(22, 18)
	stale.Replaces = mended.Replaces
	if err := s.KeepMinute(ctx, stale); !errors.Is(err, store.ErrStale) {
		t.Errorf("corrected twice: %v", err)
	}
	first.Right = 3
	if err := s.KeepMinute(ctx, first); !errors.Is(err, store.ErrTaken) {
		t.Errorf("an id that is used: %v", err)
	}
	later := s.minute(25, 25)
	later.Day++
	must(t, s.KeepMinute(ctx, later))
	list, err := s.Minutes(ctx, []uuid.UUID{s.wren.ID, s.jory.ID})
	must(t, err)
	if len(list) != 2 || list[0].Tried != 21 || list[1].Tried != 25 || list[1].Facts != sheet.Doubles || list[0].Seconds != 60 {
		t.Errorf("%+v", list)
	}
}

// inParts are records as a file gives them, so many at a time.
func inParts(list []store.Observation, n int) iter.Seq2[[]store.Observation, error] {
	return func(yield func([]store.Observation, error) bool) {
		for part := range slices.Chunk(list, n) {
			if !yield(part, nil) {
				return
			}
		}
	}
}

// A file that is read in lies here in parts; it is taken over whole, or not at all.
func TestImport(t *testing.T) {
	s := newSchool(t)
	i := store.Import{ID: uuid.New(), ClassID: s.orchard.ID, AccountID: s.hanne.ID, Bytes: 10}
	must(t, s.BeginImport(ctx, i), s.BeginImport(ctx, i))
	must(t, s.AddImportPart(ctx, i, 1, []byte("world")))
	if _, err := s.ImportFile(ctx, i); !errors.Is(err, store.ErrPart) {
		t.Errorf("with a part missing: %v", err)
	}
	must(t, s.AddImportPart(ctx, i, 0, []byte("hellx")), s.AddImportPart(ctx, i, 0, []byte("hello")))
	if file, err := s.ImportFile(ctx, i); string(file) != "helloworld" || err != nil {
		t.Errorf("%q, %v", file, err)
	}
	foreign := i
	foreign.AccountID = s.bo.ID
	if err := s.AddImportPart(ctx, foreign, 0, nil); !errors.Is(err, store.ErrNone) {
		t.Errorf("a part of another's file: %v", err)
	}
	list := []store.Observation{s.seen(47, 25, today), s.seen(38, 27, today)}
	list[1].LearnerID = uuid.New()
	if err := s.TakeOver(ctx, i, inParts(list, 1), func(int) {}); err == nil {
		t.Error("a record of nobody is kept")
	}
	if seen, err := s.Observations(ctx, s.wren.ID); len(seen) != 0 || err != nil {
		t.Errorf("half a file is kept: %v, %v", seen, err)
	}
	stopped, stop := context.WithCancel(ctx)
	list[1] = s.seen(38, 27, today)
	if err := s.TakeOver(stopped, i, inParts(list, 1), func(int) { stop() }); err == nil {
		t.Error("kept, though it was given up")
	}
	unread := errors.New("a line that cannot be read")
	err := s.TakeOver(ctx, i, func(yield func([]store.Observation, error) bool) {
		_ = yield(list[:1], nil) && yield(nil, unread)
	}, func(int) {})
	if seen, _ := s.Observations(ctx, s.wren.ID); !errors.Is(err, unread) || len(seen) != 0 {
		t.Errorf("of a file that cannot be read to its end %d are kept, %v", len(seen), err)
	}
	told := 0
	must(t, s.TakeOver(ctx, i, inParts(list, 1), func(n int) { told = n }))
	if seen, err := s.Observations(ctx, s.wren.ID); len(seen) != 2 || err != nil || told != 2 {
		t.Errorf("%d kept, %d told, %v", len(seen), told, err)
	}
	if err := s.TakeOver(ctx, i, inParts(list, 1), func(int) {}); !errors.Is(err, store.ErrNone) {
		t.Errorf("taken over twice: %v", err)
	}
	known, err := s.AllAnswered(ctx, []uuid.UUID{s.wren.ID})
	must(t, err)
	if !known[store.Answered{LearnerID: s.wren.ID, Task: "sum:47+25", Answer: "72", Day: today}] || len(known) != 2 {
		t.Errorf("%v", known)
	}
	other := store.Import{ID: uuid.New(), ClassID: s.orchard.ID, AccountID: s.hanne.ID, Bytes: 1}
	must(t, s.BeginImport(ctx, i), s.BeginImport(ctx, other))
	if _, err := s.ImportFile(ctx, i); !errors.Is(err, store.ErrNone) {
		t.Errorf("a file that was given up for another: %v", err)
	}
	must(t, s.DropImport(ctx, other), s.DropImport(ctx, other))
}

// BenchmarkImport takes over 100,000 answers of 24 children; with reading 5 s are asked for.
func BenchmarkImport(b *testing.B) {
	s := newSchool(b)
	var ids []uuid.UUID
	for i := range 24 {
		l := store.Learner{ID: uuid.New(), Name: fmt.Sprint("Child ", i)}
		must(b, s.AddLearner(ctx, s.orchard.ID, l, time.Date(2026, 1, 1, 0, 0, 0, 0, time.UTC)))
		ids = append(ids, l.ID)
	}
	for b.Loop() {
		b.StopTimer()
		i := store.Import{ID: uuid.New(), ClassID: s.orchard.ID, AccountID: s.hanne.ID}
		must(b, s.BeginImport(ctx, i))
		list := make([]store.Observation, 100_000)
		for n := range list {
			o := s.seen(place.Number(100+n%800), place.Number(100+n/800%800), today-book.Day(100-n/1_000))
			o.LearnerID, o.Manner, o.Came, o.Paper = ids[n%len(ids)], book.Column, book.Typed, true
			o.ID = i.ID // the file's own with the line at its end, as the server makes it
			binary.BigEndian.PutUint32(o.ID[12:], uint32(n))
			list[n] = o
		}
		slices.SortStableFunc(list, func(a, b store.Observation) int { return int(a.Day - b.Day) })
		b.StartTimer()
		must(b, s.TakeOver(ctx, i, inParts(list, store.Batch), func(int) {}))
	}
}

// testSlatesStay looks into a database of the schema before sheets: its records, lessons and
// children are there, and sheets can be kept.
func testSlatesStay(t *testing.T, s *store.Store) {
	t.Helper()
	hanne, err := s.AccountByEmail(ctx, "hanne@vineswap.test")
	must(t, err)
	rooms, err := s.Memberships(ctx, hanne.ID)
	must(t, err)
	class := rooms[0].ClassID
	learners, err := s.Learners(ctx, class)
	must(t, err)
	seen := 0
	for _, l := range learners {
		list, err := s.Observations(ctx, l.ID)
		must(t, err)
		for _, o := range list {
			if seen++; o.Paper || o.SheetID.Valid {
				t.Errorf("%v was worked on a sheet", o.ID)
			}
		}
		if len(standOf(t, s, class, l.ID).Standings) == 0 {
			t.Errorf("%s does not stand anywhere", l.Name)
		}
	}
	if len(learners) != 4 || seen < 100 {
		t.Errorf("%d learners, %d records", len(learners), seen)
	}
	made := store.Sheet{ID: uuid.New(), ClassID: class, Spec: sheet.Usual(sheet.Column), Settings: setting.Default(), Tasks: items(problem.SumOf(47, 25)), Day: today, MadeBy: hanne.ID, Children: []store.SheetChild{{LearnerID: learners[0].ID}}}
	if code, err := s.AddSheet(ctx, made); err != nil || code == "" {
		t.Errorf("%q, %v", code, err)
	}
}
