package server

import (
	"context"
	"encoding/binary"
	"errors"
	"fmt"
	"iter"
	"strings"
	"time"

	"github.com/gofiber/fiber/v3"
	"github.com/google/uuid"

	"vineswap/core/book"
	"vineswap/core/material"
	"vineswap/formats"
	"vineswap/store"
	"vineswap/wire"
)

// mostBadLines is how many of the lines that cannot be kept are told one by one.
const mostBadLines = 200

// beginImport makes room for a file of answers.
func (s *Server) beginImport(c *call) error {
	var ask wire.NewImport
	if err := read(c, &ask); err != nil {
		return err
	}
	if ask.Bytes > formats.MostBytes {
		return refuse(fiber.StatusUnprocessableEntity, "This file is too long", fmt.Sprintf("Send at most %d megabytes: cut the table in parts.", formats.MostBytes>>20)).of("file")
	}
	if ask.Bytes == 0 {
		return refuse(fiber.StatusUnprocessableEntity, "This file is empty", "Choose the table that you saved as CSV.").of("file")
	}
	err := s.store.BeginImport(c.Context(), store.Import{ID: uuid.MustParse(ask.ID), ClassID: c.class.ID, AccountID: c.account.ID, Bytes: ask.Bytes})
	if errors.Is(err, store.ErrTaken) {
		return refuse(fiber.StatusConflict, "This file’s id is already used", "Choose the file once more.").of("id")
	}
	if err != nil {
		return err
	}
	return c.JSON(struct{}{})
}

// importOf is the file of a request.
func (s *Server) importOf(c *call) (store.Import, error) {
	id, err := uuid.Parse(c.Params("import"))
	if err != nil {
		return store.Import{}, notFound()
	}
	return store.Import{ID: id, ClassID: c.class.ID, AccountID: c.account.ID}, nil
}

func noImport(err error) error {
	switch {
	case errors.Is(err, store.ErrNone):
		return refuse(fiber.StatusNotFound, "This file is not here any more", "Choose it once more: nothing of it was kept.").of("file")
	case errors.Is(err, store.ErrPart):
		return refuse(fiber.StatusConflict, "A part of this file did not arrive", "Choose it once more: nothing of it was kept.").of("file")
	}
	return err
}

// addImportPart takes a part of a file.
func (s *Server) addImportPart(c *call) error {
	i, err := s.importOf(c)
	if err != nil {
		return err
	}
	var ask wire.ImportPart
	if err := read(c, &ask); err != nil {
		return err
	}
	if ask.Nth*len(ask.Data) > 2*formats.MostBytes {
		return refuse(fiber.StatusUnprocessableEntity, "This file is too long", "Cut the table in parts.").of("file")
	}
	if err := s.store.AddImportPart(c.Context(), i, ask.Nth, ask.Data); err != nil {
		return noImport(err)
	}
	return c.JSON(struct{}{})
}

// dropImport gives a file up.
func (s *Server) dropImport(c *call) error {
	i, err := s.importOf(c)
	if err != nil {
		return err
	}
	if err := s.store.DropImport(c.Context(), i); err != nil {
		return err
	}
	return c.JSON(struct{}{})
}

// readImport reads a file against the class, and takes it over where that is asked for; it
// tells on the way how far it is. Whoever goes before the end has kept nothing.
func (s *Server) readImport(c *call) error {
	i, err := s.importOf(c)
	if err != nil {
		return err
	}
	var ask wire.ReadImport
	if err := read(c, &ask); err != nil {
		return err
	}
	data, err := s.store.ImportFile(c.Context(), i)
	if err != nil {
		return noImport(err)
	}
	taking, sheetID, err := s.takingOf(c, ask)
	if err != nil {
		return err
	}
	kind, now := c.class.Settings.Material, s.now()
	s.streamed(c, func(ctx context.Context, say func(any) bool) error {
		return s.takeOver(ctx, importing{i, data, taking, sheetID, ask.Keep, kind, now}, say)
	})
	return nil
}

// takingOf is what a file is read against.
func (s *Server) takingOf(c *call, ask wire.ReadImport) (t formats.Taking, sheetID uuid.NullUUID, err error) {
	if t.Today, _, err = s.today(c); err != nil {
		return t, sheetID, err
	}
	everybody, err := s.store.Enrolled(c.Context(), c.class.ID)
	if err != nil {
		return t, sheetID, err
	}
	left, err := s.store.Retired(c.Context(), c.class.ID)
	if err != nil {
		return t, sheetID, err
	}
	for _, e := range left {
		t.Roll.Add(e.Name, "")
	}
	var ids []uuid.UUID
	for _, e := range everybody {
		ids = append(ids, e.ID)
		t.Roll.Add(e.Name, e.ID.String())
	}
	known, err := s.store.AllAnswered(c.Context(), ids)
	if err != nil {
		return t, sheetID, err
	}
	t.Known = func(learner string, o book.Observation, _ formats.OnSheet) bool {
		return len(known) > 0 && known[store.Answered{LearnerID: uuid.MustParse(learner), Task: o.Task.Key(), Answer: o.Answer, Day: o.Day}]
	}
	code := strings.ToUpper(strings.TrimSpace(ask.Code))
	if code == "" {
		return t, sheetID, nil
	}
	kept, err := s.store.SheetByCode(c.Context(), c.class.ID, code)
	if errors.Is(err, store.ErrNone) {
		return t, sheetID, refuse(fiber.StatusUnprocessableEntity, "No sheet of this class has the code "+code, "Leave it empty, or type the code at the foot of the sheet, like K7.").of("code")
	}
	if err != nil {
		return t, sheetID, err
	}
	seen, err := s.store.SheetAnswers(c.Context(), kept.ID)
	if err != nil {
		return t, sheetID, err
	}
	t.Sheet, t.Known = onSheet(kept), typedAlready(seen)
	return t, uuid.NullUUID{UUID: kept.ID, Valid: true}, nil
}

// onSheet finds the tasks of children on a sheet.
func onSheet(kept store.Sheet) func(learner, task string) (formats.OnSheet, bool) {
	all := map[string]formats.OnSheet{}
	for _, child := range kept.Children {
		items, _ := kept.Of(child.LearnerID)
		for nth, item := range items {
			all[child.LearnerID.String()+" "+item.Task.Key()] = formats.OnSheet{Nth: nth, Stage: item.Stage, Manner: kept.Spec.Manner(item.Stage, item.Task)}
		}
	}
	return func(learner, task string) (formats.OnSheet, bool) {
		at, has := all[learner+" "+task]
		return at, has
	}
}

// typedAlready tells which tasks of a sheet have an answer in the book.
func typedAlready(seen []store.Observation) func(string, book.Observation, formats.OnSheet) bool {
	typed := map[string]bool{}
	for _, o := range seen {
		typed[fmt.Sprint(o.LearnerID, o.Nth)] = true
	}
	return func(learner string, _ book.Observation, at formats.OnSheet) bool {
		return typed[fmt.Sprint(learner, at.Nth)]
	}
}

// importing is a file that is read.
type importing struct {
	of      store.Import
	data    []byte
	against formats.Taking
	sheetID uuid.NullUUID
	keep    string // "good", "all", or empty for only looking
	kind    material.Kind
	now     time.Time
}

// wrongImport says what is wrong with a whole file, or that nobody waits for it any more.
func wrongImport(ctx context.Context, err error) error {
	if ctx.Err() != nil || errors.Is(err, formats.ErrStopped) {
		return errGone
	}
	return refuse(fiber.StatusUnprocessableEntity, "This file cannot be read", "Save the table as CSV with the columns learner, problem and answer, and day if you like.").because(err).of("file")
}

// takeOver reads a file, and keeps what is good where that is asked for.
func (s *Server) takeOver(ctx context.Context, f importing, say func(any) bool) error {
	if f.keep == "" {
		good, bad, err := f.against.Check(f.data, func(lines int) bool { return say(wire.Imported{Phase: "read", Done: lines, Lines: []wire.BadLine{}}) })
		if err != nil {
			return wrongImport(ctx, err)
		}
		say((&reading{len(good), bad}).told("read", false))
		return nil
	}
	lines, count, err := f.against.Lines(f.data)
	if err != nil {
		return wrongImport(ctx, err)
	}
	ctx, stop := context.WithCancel(ctx)
	defer stop()
	var r reading
	err = s.store.TakeOver(ctx, f.of, f.parts(lines, &r), func(done int) {
		if !say(wire.Imported{Phase: "keep", Done: done, Of: count, Lines: []wire.BadLine{}}) {
			stop()
		}
	})
	switch {
	case errors.Is(err, errNothingKept):
		say(r.told("read", false))
		return nil
	case err != nil && ctx.Err() != nil:
		return errGone
	case err != nil:
		return noImport(err)
	}
	say(r.told("keep", true))
	return nil
}

// errNothingKept is the error of a file of which nothing is to be kept.
var errNothingKept = errors.New("nothing of this file is kept")

// reading is what was read of a file.
type reading struct {
	good int
	bad  []formats.Refused
}

// told is what the guide is told in the end.
func (r *reading) told(phase string, kept bool) wire.Imported {
	all := r.good + len(r.bad)
	return wire.Imported{Phase: phase, Done: all, Of: all, Good: r.good, Bad: len(r.bad), Lines: badLines(r.bad), Ended: true, Kept: kept, Says: wire.ImportSays(r.good, len(r.bad), kept)}
}

// parts are the records of a file's lines, many at a time. The error comes at the end, where
// nothing is to be kept.
func (f importing) parts(lines iter.Seq2[formats.Taken, *formats.Refused], r *reading) iter.Seq2[[]store.Observation, error] {
	return func(yield func([]store.Observation, error) bool) {
		*r = reading{}
		wrong := func() bool { return f.keep == "all" && len(r.bad) > 0 }
		part := make([]store.Observation, 0, store.Batch)
		for made, refused := range lines {
			if refused != nil {
				r.bad = append(r.bad, *refused)
				continue
			}
			if r.good++; wrong() {
				continue
			}
			if part = append(part, f.record(made)); len(part) == store.Batch {
				if !yield(part, nil) {
					return
				}
				part = make([]store.Observation, 0, store.Batch)
			}
		}
		if wrong() || r.good == 0 {
			yield(nil, errNothingKept)
		} else if len(part) > 0 {
			yield(part, nil)
		}
	}
}

func badLines(bad []formats.Refused) []wire.BadLine {
	lines := []wire.BadLine{}
	for _, b := range bad[:min(len(bad), mostBadLines)] {
		lines = append(lines, wire.BadLine{Line: b.Line, Who: b.Learner, Why: why(b.Err)})
	}
	return lines
}

// why is the reason of a line, with the name of its cell.
func why(err error) string {
	var cell *formats.CellError
	if errors.As(err, &cell) {
		return cell.Column + ": " + cell.Err.Error()
	}
	return err.Error()
}

// record is the record that a line of a file makes, with an id that is the same whenever the file
// is sent.
func (f importing) record(g formats.Taken) store.Observation {
	o := store.Observation{Observation: g.Observation, ID: lineID(f.of.ID, g.Line), ClassID: f.of.ClassID, LearnerID: uuid.MustParse(g.Learner), SheetID: f.sheetID, Nth: g.At.Nth, RecordedBy: f.of.AccountID, RecordedAt: f.now}
	o.Material = f.kind
	return o
}

// lineID is the id of a line of a file: the file's own with the line at its end, so that those of
// a file lie one after another.
func lineID(file uuid.UUID, line int) uuid.UUID {
	binary.BigEndian.PutUint32(file[12:], uint32(line))
	file[6] = 0x80 | file[6]&0x0f // made in a way of one's own, says RFC 9562
	return file
}
