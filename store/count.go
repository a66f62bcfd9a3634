package store

import (
	"context"
	"encoding/json"
	"fmt"
	"time"

	"github.com/google/uuid"

	"vineswap/core/book"
	"vineswap/core/task"
)

// TimedCount is how long a child took to count at a task of a lesson, once.
type TimedCount struct {
	ID        uuid.UUID `db:"id"`
	LessonID  uuid.UUID `db:"lesson_id"`
	Nth       int       `db:"nth"` // which of the lesson's tasks
	LearnerID uuid.UUID `db:"learner_id"`
	Seconds   int       `db:"seconds"`
	CountedBy uuid.UUID `db:"counted_by"`
}

// AddCount keeps a count. The same one again is no error; another one under its id gives
// ErrTaken. A child who does not sit at the lesson gives ErrNone.
func (s *Store) AddCount(ctx context.Context, c TimedCount) error {
	res, err := s.db.NamedExecContext(ctx, `insert into timed_count (id, lesson_id, nth, learner_id, seconds, counted_by)
		select :id, :lesson_id, :nth, learner_id, :seconds, :counted_by from lesson_child where lesson_id = :lesson_id and learner_id = :learner_id
		on conflict (id) do nothing`, c)
	if err != nil {
		return err
	}
	if n, err := res.RowsAffected(); err != nil || n == 1 {
		return err
	}
	var kept TimedCount
	if err := s.db.GetContext(ctx, &kept, `select id, lesson_id, nth, learner_id, seconds, counted_by from timed_count where id = $1`, c.ID); err != nil {
		return none(err)
	}
	if kept.CountedBy = c.CountedBy; kept != c {
		return fmt.Errorf("%w: the id of a count", ErrTaken)
	}
	return nil
}

// Counts lists how long was counted in a lesson, in the order in which it was kept.
func (s *Store) Counts(ctx context.Context, lesson uuid.UUID) ([]TimedCount, error) {
	list := []TimedCount{}
	err := s.db.SelectContext(ctx, &list, `select id, lesson_id, nth, learner_id, seconds, counted_by from timed_count where lesson_id = $1 order by counted_at, id`, lesson)
	return list, err
}

// Counted is a count with what was counted.
type Counted struct {
	TimedCount
	Task task.Task
	Day  book.Day // in UTC
}

// CountsOf lists how long a learner took, oldest first.
func (s *Store) CountsOf(ctx context.Context, learner uuid.UUID) ([]Counted, error) {
	rows := []struct {
		TimedCount
		Task []byte    `db:"task"`
		At   time.Time `db:"counted_at"`
	}{}
	err := s.db.SelectContext(ctx, &rows, `select timed_count.id, lesson_id, timed_count.nth, learner_id, seconds, counted_by, tasks->timed_count.nth->'task' as task, counted_at
		from timed_count join lesson on lesson.id = lesson_id where learner_id = $1 order by counted_at, timed_count.id`, learner)
	list := make([]Counted, len(rows))
	for i, r := range rows {
		list[i] = Counted{TimedCount: r.TimedCount, Day: book.DayOf(r.At.UTC())}
		if err := json.Unmarshal(r.Task, &list[i].Task); err != nil {
			return nil, fmt.Errorf("count in lesson %v: %w", r.LessonID, err)
		}
	}
	return list, err
}
