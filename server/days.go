package server

import (
	"database/sql"
	"time"

	"github.com/gofiber/fiber/v3"

	"vineswap/core/book"
	"vineswap/wire"
)

// lessonDay answers the lessons of a day, and which days before and after have
// some: a finished lesson is found again and opened to correct it.
func (s *Server) lessonDay(c *call) error {
	today, zone, err := s.today(c)
	if err != nil {
		return err
	}
	day := today
	if asked := c.Query("day"); asked != "" {
		if day, err = book.ParseDay(asked); err != nil {
			return refuse(fiber.StatusUnprocessableEntity, "This is not a day", "Write it as 2026-11-25.").because(err).of("day")
		}
	}
	from, to := dayIn(day, zone)
	before, after, err := s.store.LessonDays(c.Context(), c.class.ID, from, to)
	if err != nil {
		return err
	}
	var days []book.Day
	for _, at := range []sql.NullTime{after, before} {
		if at.Valid {
			days = append(days, book.DayOf(at.Time.In(zone)))
		}
	}
	list, err := s.lessonsOn(c, day, zone)
	if err != nil {
		return err
	}
	return c.JSON(wire.LessonDayOf(day, today, days, list))
}

// dayIn is when a day begins and ends in a zone.
func dayIn(day book.Day, zone *time.Location) (from, to time.Time) {
	year, month, date := day.Time().Date()
	from = time.Date(year, month, date, 0, 0, 0, 0, zone)
	return from, from.AddDate(0, 0, 1)
}

// lessonsOn lists the lessons of a day that have ended, the newest first.
func (s *Server) lessonsOn(c *call, day book.Day, zone *time.Location) ([]wire.LessonBrief, error) {
	from, to := dayIn(day, zone)
	ids, err := s.store.EndedBetween(c.Context(), c.class.ID, from, to)
	if err != nil {
		return nil, err
	}
	list, err := s.store.Lessons(c.Context(), c.class.ID, ids)
	out := []wire.LessonBrief{}
	for _, l := range list {
		out = append(out, wire.LessonBriefOf(c.class.Settings.Words(), l.ID.String(), l.Lesson, childrenOf(l), l.ChangedAt.In(zone)))
	}
	return out, err
}
