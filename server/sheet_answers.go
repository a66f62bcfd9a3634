package server

import (
	"bytes"
	"database/sql"
	"errors"
	"mime"
	"slices"
	"strings"
	"time"

	"github.com/gofiber/fiber/v3"
	"github.com/google/uuid"

	"vineswap/core/book"
	"vineswap/core/say"
	"vineswap/core/sheet"
	"vineswap/formats"
	"vineswap/store"
	"vineswap/wire"
)

// sheetAnswers answers a sheet with the answers that are kept.
func (s *Server) sheetAnswers(c *call) error {
	kept, err := s.sheetOf(c)
	if err != nil {
		return err
	}
	out, err := s.wireAnswers(c, kept)
	if err != nil {
		return err
	}
	return c.JSON(out)
}

func (s *Server) wireAnswers(c *call, kept store.Sheet) (wire.SheetAnswers, error) {
	today, _, err := s.today(c)
	if err != nil {
		return wire.SheetAnswers{}, err
	}
	out := wire.SheetAnswers{Each: len(kept.Tasks) == 0, Minute: kept.Spec.Kind == sheet.Minute, Facts: string(kept.Spec.Facts), Printed: kept.Day.String(), Today: today.String(), Children: []wire.AnswerRow{}, Left: []string{}}
	seen, err := s.store.SheetAnswers(c.Context(), kept.ID)
	if err != nil {
		return out, err
	}
	minutes, err := s.minutesOf(c, kept)
	if err != nil {
		return out, err
	}
	typed := 0
	for _, child := range kept.Children {
		row := rowOf(c, kept, child, seen)
		if out.Minute {
			row.Minute = minuteRow(minutes, child.LearnerID, kept.Spec.Facts, uuid.NullUUID{UUID: kept.ID, Valid: true})
		}
		if row.Missing || slices.ContainsFunc(row.Cells, func(cell wire.AnswerCell) bool { return cell.Kept != nil }) || row.Minute != nil && row.Minute.Kept != nil {
			typed++
		}
		if !child.Here {
			out.Left = append(out.Left, child.Name+" has left the class: what is typed goes to what is known of the child.")
		}
		out.Children = append(out.Children, row)
	}
	for _, child := range kept.Children {
		if items, _ := kept.Of(child.LearnerID); len(items) > 0 {
			out.Between = wire.BetweenOf(items[0].Task)
			break
		}
	}
	out.Sheet = wire.SheetOutOf(kept.ID.String(), kept.Code, kept.Spec.Kind, kept.Day, today, len(kept.Children), typed)
	return out, nil
}

// rowOf makes the row of a child.
func rowOf(c *call, kept store.Sheet, child store.SheetChild, seen []store.Observation) wire.AnswerRow {
	row := wire.AnswerRow{ID: child.LearnerID.String(), Name: child.Name, Here: child.Here, Missing: child.Missing, Cells: []wire.AnswerCell{}}
	if kept.Spec.Kind == sheet.Minute {
		return row
	}
	items, _ := kept.Of(child.LearnerID)
	for nth, item := range items {
		cell := wire.CellOf(c.class.Settings.Words(), item.Task)
		for _, o := range seen {
			if o.LearnerID == child.LearnerID && o.Nth == nth {
				cell.Kept = &wire.KeptAnswer{Record: o.ID.String(), Answer: o.Answer, Right: o.Right(), Turned: o.Note == say.TurnedDigit, Day: o.Day.String()}
			}
		}
		row.Cells = append(row.Cells, cell)
	}
	return row
}

// sheetHelp answers what the answers of one child to a sheet would show.
func (s *Server) sheetHelp(c *call) error {
	kept, child, err := s.sheetChild(c, c.Params("learner"))
	if err != nil {
		return err
	}
	items, _ := kept.Of(child.LearnerID)
	return c.JSON(wire.HelpOf(c.class.Settings, items))
}

// sheetChild reads a sheet, and a child that it was printed for.
func (s *Server) sheetChild(c *call, learner string) (store.Sheet, store.SheetChild, error) {
	kept, err := s.sheetOf(c)
	if err != nil {
		return kept, store.SheetChild{}, err
	}
	id, err := uuid.Parse(learner)
	i := slices.IndexFunc(kept.Children, func(child store.SheetChild) bool { return child.LearnerID == id })
	if err != nil || i < 0 {
		if _, err := s.store.LatestEnrolment(c.Context(), c.class.ID, id); errors.Is(err, store.ErrErased) {
			return kept, store.SheetChild{}, erased()
		}
		return kept, store.SheetChild{}, refuse(fiber.StatusUnprocessableEntity, "This sheet was not printed for this child", "Choose another sheet, or print one for the child.").of("learner")
	}
	return kept, kept.Children[i], nil
}

// keepAnswers keeps answers of one child to a sheet, one or the whole row.
func (s *Server) keepAnswers(c *call) error {
	var ask wire.KeepAnswers
	if err := read(c, &ask); err != nil {
		return err
	}
	kept, child, err := s.sheetChild(c, ask.Learner)
	if err != nil {
		return err
	}
	if !child.Here && c.role != store.Lead {
		return refuse(fiber.StatusUnprocessableEntity, "This child has left the class", "Only the lead of the class can still record it.").of("learner")
	}
	list, err := s.answersOf(c, kept, child, ask)
	if err != nil {
		return err
	}
	for _, o := range list {
		switch err := s.store.Record(c.Context(), o, false); {
		case errors.Is(err, store.ErrTwice) || errors.Is(err, store.ErrStale):
			return refuse(fiber.StatusConflict, "This answer was typed elsewhere meanwhile", "Look at it as it is now, then type it again.").of("replaces")
		case errors.Is(err, store.ErrTaken):
			return refuse(fiber.StatusConflict, "This record’s id is already used", "Type it once more.").of("id")
		case errors.Is(err, store.ErrErased):
			return erased()
		case errors.Is(err, store.ErrNone):
			return refuse(fiber.StatusConflict, "What this corrects is not there", "Look at it as it is now, then type it again.").of("replaces")
		case err != nil:
			return err
		}
	}
	return s.answerRow(c, kept, child)
}

// answerRow answers a child's row as it is now.
func (s *Server) answerRow(c *call, kept store.Sheet, child store.SheetChild) error {
	all, err := s.wireAnswers(c, kept)
	if err != nil {
		return err
	}
	out := wire.KeptAnswers{Sheet: all.Sheet}
	for _, row := range all.Children {
		if row.ID == child.LearnerID.String() {
			out.Row = row
		}
	}
	if !child.Here {
		out.Notice = "Kept. " + child.Name + " has left the class: the record stays with what is known."
	}
	return c.JSON(out)
}

// answersOf reads the records that answers make.
func (s *Server) answersOf(c *call, kept store.Sheet, child store.SheetChild, ask wire.KeepAnswers) ([]store.Observation, error) {
	today, _, err := s.today(c)
	if err != nil {
		return nil, err
	}
	day := today
	if ask.Day != "" {
		if day, err = book.ParseDay(ask.Day); err != nil {
			return nil, wrongRecord(err).of("day")
		}
	}
	var seenAt sql.NullTime
	if at, err := time.Parse(time.RFC3339, ask.SeenAt); err == nil {
		seenAt = sql.NullTime{Time: at, Valid: at.Year() >= 2000 && at.Before(s.now().Add(time.Minute))}
	}
	items, _ := kept.Of(child.LearnerID)
	var list []store.Observation
	for _, a := range ask.Answers {
		if a.Nth >= len(items) {
			return nil, refuse(fiber.StatusUnprocessableEntity, "There is no such task on this sheet", "Reload the page.").of("nth")
		}
		item := items[a.Nth]
		o := store.Observation{ID: uuid.MustParse(a.ID), ClassID: c.class.ID, LearnerID: child.LearnerID, SheetID: uuid.NullUUID{UUID: kept.ID, Valid: true}, Nth: a.Nth, RecordedBy: c.account.ID, RecordedAt: s.now(), SeenAt: seenAt, Withdrawn: a.Wiped}
		o.Observation = book.Observation{Task: item.Task, Stage: item.Stage, Manner: kept.Spec.Manner(item.Stage, item.Task), Material: kept.Settings.Material, Help: book.Alone, Answer: strings.TrimSpace(a.Answer), Came: book.Typed, Runs: 1, Day: day, Paper: true}
		if a.Turned {
			o.Answer, o.Note = item.Task.Result(), say.TurnedDigit
		}
		if a.Replaces != "" {
			o.Replaces = uuid.NullUUID{UUID: uuid.MustParse(a.Replaces), Valid: true}
		}
		if err := o.Valid(today); err != nil {
			return nil, wrongRecord(err).of(recordField(err))
		}
		list = append(list, o)
	}
	return list, nil
}

// setMissing keeps that a child did not hand its sheet in, or did.
func (s *Server) setMissing(c *call) error {
	var ask wire.SetMissing
	if err := read(c, &ask); err != nil {
		return err
	}
	kept, child, err := s.sheetChild(c, ask.Learner)
	if err != nil {
		return err
	}
	if err := s.store.SetMissing(c.Context(), c.class.ID, kept.ID, child.LearnerID, ask.Missing); err != nil {
		return missing(err)
	}
	if kept, child, err = s.sheetChild(c, ask.Learner); err != nil {
		return err
	}
	return s.answerRow(c, kept, child)
}

// answersCSV answers the answers of a sheet as a table; the tasks without one are in it too.
func (s *Server) answersCSV(c *call) error {
	kept, err := s.sheetOf(c)
	if err != nil {
		return err
	}
	seen, err := s.store.SheetAnswers(c.Context(), kept.ID)
	if err != nil {
		return err
	}
	var rows []formats.TakenRow
	for _, child := range kept.Children {
		items, _ := kept.Of(child.LearnerID)
		for nth, item := range items {
			row := formats.TakenRow{Learner: child.Name, Task: item.Task}
			for _, o := range seen {
				if o.LearnerID == child.LearnerID && o.Nth == nth {
					row.Answer, row.Day = o.Answer, o.Day
				}
			}
			rows = append(rows, row)
		}
	}
	var out bytes.Buffer
	if err := formats.WriteTaken(&out, rows); err != nil {
		return err
	}
	c.Set(fiber.HeaderContentType, "text/csv; charset=utf-8")
	c.Set(fiber.HeaderContentDisposition, mime.FormatMediaType("attachment", map[string]string{"filename": "answers " + kept.Code + ".csv"}))
	return c.Send(out.Bytes())
}

// minutesOf reads the minutes of the children of a sheet of facts.
func (s *Server) minutesOf(c *call, kept store.Sheet) ([]store.Minute, error) {
	if kept.Spec.Kind != sheet.Minute {
		return nil, nil
	}
	ids := make([]uuid.UUID, len(kept.Children))
	for i, child := range kept.Children {
		ids[i] = child.LearnerID
	}
	return s.store.Minutes(c.Context(), ids)
}

// mostBefore is how many of a child's last minutes are shown.
const mostBefore = 8

// minuteRow makes a child's minutes with some facts: those before, and the one of a sheet, or
// of today where there is no sheet.
func minuteRow(all []store.Minute, learner uuid.UUID, facts sheet.Facts, of uuid.NullUUID) *wire.MinuteRow {
	row := &wire.MinuteRow{Before: []wire.MinuteDone{}}
	for _, m := range all {
		if m.LearnerID != learner || m.Facts != facts {
			continue
		}
		done := wire.MinuteDone{ID: m.ID.String(), Day: m.Day.String(), Tried: m.Tried, Right: m.Right}
		if of.Valid && m.SheetID == of {
			row.Kept = &done
			continue
		}
		row.Before = append(row.Before, done)
	}
	if n := len(row.Before); n > mostBefore {
		row.Before = row.Before[n-mostBefore:]
	}
	return row
}

// minutes answers the minutes of facts of the class.
func (s *Server) minutes(c *call) error {
	facts := sheet.Facts(strings.Clone(c.Query("facts", string(sheet.Bonds))))
	if !slices.Contains(sheet.AllFacts(), facts) {
		return wrongSheet(sheet.ErrFacts)
	}
	out, err := s.wireMinutes(c, facts)
	if err != nil {
		return err
	}
	return c.JSON(out)
}

func (s *Server) wireMinutes(c *call, facts sheet.Facts) (wire.Minutes, error) {
	today, _, err := s.today(c)
	if err != nil {
		return wire.Minutes{}, err
	}
	now, err := s.children(c, today)
	if err != nil {
		return wire.Minutes{}, err
	}
	out := wire.Minutes{Facts: string(facts), Choices: wire.SheetsOf(c.class.Settings).Facts, Seconds: 60, Today: today.String(), Children: []wire.AnswerRow{}}
	ids := make([]uuid.UUID, len(now.children))
	for i, child := range now.children {
		ids[i] = uuid.MustParse(child.ID)
	}
	all, err := s.store.Minutes(c.Context(), ids)
	if err != nil {
		return out, err
	}
	for i, child := range now.children {
		out.Children = append(out.Children, wire.AnswerRow{ID: child.ID, Name: child.Name, Here: true, Missing: child.Away, Cells: []wire.AnswerCell{}, Minute: minuteRow(all, ids[i], facts, uuid.NullUUID{})})
	}
	return out, nil
}

// keepMinute keeps a minute of facts of a child.
func (s *Server) keepMinute(c *call) error {
	var ask wire.KeepMinute
	if err := read(c, &ask); err != nil {
		return err
	}
	today, _, err := s.today(c)
	if err != nil {
		return err
	}
	m := store.Minute{
		ID: uuid.MustParse(ask.ID), ClassID: c.class.ID, LearnerID: uuid.MustParse(ask.Learner), Day: today, KeptBy: c.account.ID,
		Timed: sheet.Timed{Facts: sheet.Facts(ask.Facts), Seconds: ask.Seconds, Tried: ask.Tried, Right: ask.Right},
	}
	if err := m.Valid(); err != nil {
		return refuse(fiber.StatusUnprocessableEntity, "This minute cannot be kept", "Type how many were tried, then how many of them are right.").because(err).of("right")
	}
	if ask.Day != "" {
		if m.Day, err = book.ParseDay(ask.Day); err != nil || m.Day > today {
			return refuse(fiber.StatusUnprocessableEntity, "This day cannot be", "Choose today or a day before.").of("day")
		}
	}
	if ask.Sheet != "" {
		m.SheetID = uuid.NullUUID{UUID: uuid.MustParse(ask.Sheet), Valid: true}
		if _, err := s.store.Sheet(c.Context(), c.class.ID, m.SheetID.UUID); err != nil {
			return missing(err)
		}
	}
	if ask.Replaces != "" {
		m.Replaces = uuid.NullUUID{UUID: uuid.MustParse(ask.Replaces), Valid: true}
	}
	if _, err := s.store.LatestEnrolment(c.Context(), c.class.ID, m.LearnerID); errors.Is(err, store.ErrErased) {
		return erased()
	} else if err != nil {
		return missing(err)
	}
	switch err := s.store.KeepMinute(c.Context(), m); {
	case errors.Is(err, store.ErrErased):
		return erased()
	case errors.Is(err, store.ErrStale) || errors.Is(err, store.ErrNone):
		return refuse(fiber.StatusConflict, "This minute was typed elsewhere meanwhile", "Look at it as it is now, then type it again.").of("replaces")
	case errors.Is(err, store.ErrTaken):
		return refuse(fiber.StatusConflict, "This minute’s id is already used", "Type it once more.").of("id")
	case err != nil:
		return err
	}
	all, err := s.store.Minutes(c.Context(), []uuid.UUID{m.LearnerID})
	if err != nil {
		return err
	}
	return c.JSON(wire.AnswerRow{ID: ask.Learner, Here: true, Cells: []wire.AnswerCell{}, Minute: minuteRow(all, m.LearnerID, m.Facts, m.SheetID)})
}
