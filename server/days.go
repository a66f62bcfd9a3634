package server

import (
	"slices"
	"time"

	"github.com/gofiber/fiber/v3"

	"vineswap/core/book"
	"vineswap/core/lesson"
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
			return refuse(fiber.StatusUnprocessableEntity, "This is no day", "Write it as 2026-11-25.").because(err).of("day")
		}
	}
	times, err := s.store.LessonTimes(c.Context(), c.class.ID)
	if err != nil {
		return err
	}
	days := make([]book.Day, len(times))
	for i, t := range times {
		days[i] = book.DayOf(t.In(zone))
	}
	list, err := s.lessonsOn(c, day, zone)
	if err != nil {
		return err
	}
	return c.JSON(wire.LessonDayOf(day, today, slices.Compact(days), list))
}

// lessonsOn lists the lessons of a day that have ended, the newest first.
func (s *Server) lessonsOn(c *call, day book.Day, zone *time.Location) ([]wire.LessonBrief, error) {
	year, month, date := day.Time().Date()
	from := time.Date(year, month, date, 0, 0, 0, 0, zone)
	ids, err := s.store.LessonsBetween(c.Context(), c.class.ID, from, from.AddDate(0, 0, 1))
	if err != nil {
		return nil, err
	}
	out := []wire.LessonBrief{}
	for _, id := range ids {
		l, err := s.store.Lesson(c.Context(), c.class.ID, id)
		if err != nil {
			return nil, err
		}
		if l.Stand == lesson.Ended {
			out = append(out, wire.LessonBriefOf(c.class.Settings.Words(), id.String(), l.Lesson, childrenOf(l), l.ChangedAt.In(zone)))
		}
	}
	return out, nil
}
