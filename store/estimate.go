package store

import (
	"context"
	"encoding/json"
	"fmt"
	"time"

	"github.com/google/uuid"

	"vineswap/core/book"
	"vineswap/core/place"
	"vineswap/core/task"
)

// Estimate is what a child said before the work. It is locked when it is said.
type Estimate struct {
	LessonID  uuid.UUID    `db:"lesson_id"`
	Nth       int          `db:"nth"` // which of the lesson's tasks
	LearnerID uuid.UUID    `db:"learner_id"`
	Value     place.Number `db:"value"`
	SaidTo    uuid.UUID    `db:"said_to"`
}

// Estimate keeps an estimate. The same one again is no error; another one, once
// one is said, gives ErrTaken. A child who does not sit at the lesson gives
// ErrNone.
func (s *Store) Estimate(ctx context.Context, e Estimate) error {
	res, err := s.db.NamedExecContext(ctx, `insert into estimate (lesson_id, nth, learner_id, value, said_to)
		select :lesson_id, :nth, learner_id, :value, :said_to from lesson_child where lesson_id = :lesson_id and learner_id = :learner_id
		on conflict do nothing`, e)
	if err != nil {
		return err
	}
	if n, err := res.RowsAffected(); err != nil || n == 1 {
		return err
	}
	var said place.Number
	if err := s.db.GetContext(ctx, &said, `select value from estimate where lesson_id = $1 and nth = $2 and learner_id = $3`, e.LessonID, e.Nth, e.LearnerID); err != nil {
		return none(err)
	}
	if said != e.Value {
		return fmt.Errorf("%w: an estimate of %d", ErrTaken, said)
	}
	return nil
}

// Estimates lists what was said in a lesson.
func (s *Store) Estimates(ctx context.Context, lesson uuid.UUID) ([]Estimate, error) {
	list := []Estimate{}
	err := s.db.SelectContext(ctx, &list, `select lesson_id, nth, learner_id, value, said_to from estimate where lesson_id = $1 order by nth, said_at`, lesson)
	return list, err
}

// Said is an estimate with what it was an estimate of.
type Said struct {
	Estimate
	Task task.Task
	Day  book.Day // in UTC
}

// EstimatesOf lists what a learner said, oldest first.
func (s *Store) EstimatesOf(ctx context.Context, learner uuid.UUID) ([]Said, error) {
	var rows []struct {
		Estimate
		Task []byte    `db:"task"`
		At   time.Time `db:"said_at"`
	}
	err := s.db.SelectContext(ctx, &rows, `select lesson_id, estimate.nth, learner_id, value, said_to, tasks->estimate.nth->'task' as task, said_at
		from estimate join lesson on lesson.id = lesson_id where learner_id = $1 order by said_at`, learner)
	list := make([]Said, len(rows))
	for i, r := range rows {
		list[i] = Said{Estimate: r.Estimate, Day: book.DayOf(r.At.UTC())}
		if err := json.Unmarshal(r.Task, &list[i].Task); err != nil {
			return nil, fmt.Errorf("estimate in lesson %v: %w", r.LessonID, err)
		}
	}
	return list, err
}
