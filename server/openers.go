package server

import (
	"errors"
	"fmt"
	"math/rand/v2"
	"strings"

	"github.com/gofiber/fiber/v3"
	"github.com/google/uuid"

	"vineswap/core/book"
	"vineswap/core/lesson"
	"vineswap/core/opener"
	"vineswap/store"
	"vineswap/wire"
)

// openers answers the rows of openers that the class keeps, and what there is to choose from.
func (s *Server) openers(c *call) error {
	rows, err := s.store.OpenerRows(c.Context(), c.class.ID)
	if err != nil {
		return err
	}
	out := wire.OpenersOf(c.class.Settings)
	for _, r := range rows {
		out.Rows = append(out.Rows, wire.OpenerRowOf(c.class.Settings.Words(), r.ID.String(), r.Revision, r.Row))
	}
	code, err := s.store.ProjectorCode(c.Context(), c.account.ID, c.class.ID)
	if err != nil && !errors.Is(err, store.ErrNone) {
		return err
	}
	out.Code = code
	return c.JSON(out)
}

// wrongOpener says why an opener cannot be kept or drawn.
func wrongOpener(err error) *trouble {
	field := "openers"
	switch {
	case errors.Is(err, opener.ErrSeconds) || errors.Is(err, opener.ErrTimes):
		field = "flash"
	case errors.Is(err, opener.ErrText):
		field = "text"
	case errors.Is(err, book.ErrNoName) || errors.Is(err, book.ErrLongName) || errors.Is(err, book.ErrNameSigns):
		field = "name"
	}
	return refuse(fiber.StatusUnprocessableEntity, "This row is not complete", "Change what is named here, then try again.").because(err).of(field)
}

// keepOpeners keeps a row of openers.
func (s *Server) keepOpeners(c *call) error {
	var ask wire.OpenerRow
	if err := read(c, &ask); err != nil {
		return err
	}
	r := store.OpenerRow{ID: uuid.MustParse(ask.ID), ClassID: c.class.ID, Revision: ask.Revision, MadeBy: c.account.ID}
	r.Name = strings.Join(strings.Fields(ask.Name), " ")
	for _, o := range ask.Openers {
		r.Openers = append(r.Openers, wire.OpenerFrom(o))
	}
	if err := r.Row.Valid(); err != nil {
		return wrongOpener(err)
	}
	switch err := s.store.PutOpenerRow(c.Context(), r); {
	case errors.Is(err, store.ErrStale):
		return refuse(fiber.StatusConflict, "This row was changed elsewhere", "Look at it as it is now, then change it again.").of("row")
	case errors.Is(err, store.ErrTaken):
		return refuse(fiber.StatusConflict, "This row’s id is already used", "Keep it once more.").of("id")
	case errors.Is(err, store.ErrFull):
		return refuse(fiber.StatusUnprocessableEntity, fmt.Sprintf("A class keeps at most %d rows", store.MostRows), "Delete one of them first.").of("row")
	case err != nil:
		return err
	}
	return s.openers(c)
}

// dropOpeners deletes a row of openers.
func (s *Server) dropOpeners(c *call) error {
	id, err := uuid.Parse(c.Params("row"))
	if err != nil {
		return notFound()
	}
	if err := s.store.DropOpenerRow(c.Context(), c.class.ID, id); err != nil {
		return missing(err)
	}
	return s.openers(c)
}

// runOpeners opens a lesson for the whole class on a row of openers, drawn anew for those who
// are here.
func (s *Server) runOpeners(c *call) error {
	var ask wire.RunOpeners
	if err := read(c, &ask); err != nil {
		return err
	}
	here, err := s.here(c)
	if err != nil {
		return err
	}
	ids := make([]uuid.UUID, len(here))
	for i, child := range here {
		ids[i] = uuid.MustParse(child)
	}
	named, err := s.store.Named(c.Context(), c.class.ID, ids)
	if err != nil {
		return err
	}
	var items []lesson.Item
	for _, o := range ask.Openers {
		drawn, err := wire.OpenerFrom(o).Draw(rand.Uint64(), func(w book.Way) int { return named[w] })
		if err != nil {
			return wrongOpener(err)
		}
		for _, d := range drawn {
			items = append(items, lesson.Item{Task: d.Task, Stage: d.Stage, Manner: d.Manner, Flash: d.Flash})
		}
	}
	l, err := lesson.ForAll(items, c.class.Settings.Material, here)
	if err != nil {
		return wrongLesson(err)
	}
	id := uuid.MustParse(ask.ID)
	err = s.store.AddLesson(c.Context(), store.Lesson{Lesson: l, ID: id, ClassID: c.class.ID, OpenedBy: c.account.ID, ChangedAt: s.now()})
	switch {
	case errors.Is(err, store.ErrTaken):
		return refuse(fiber.StatusConflict, "This lesson's id is already used", "Start the row once more.").of("id")
	case errors.Is(err, store.ErrNone):
		return wrongChild()
	case err != nil:
		return err
	}
	return s.answerLesson(c, id)
}
