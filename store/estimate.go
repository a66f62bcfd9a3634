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

// Unwritten is a child at a problem of a lesson of whom nothing is written yet.
type Unwritten struct {
	LessonID  uuid.UUID `db:"lesson_id"`
	Nth       int       `db:"nth"`
	LearnerID uuid.UUID `db:"learner_id"`
}

// Unwritten lists what is still to be written up in a class: every child at
// every problem that was worked, in lessons that have ended and in those that
// have gone on to another problem. A record that was undone is to be written
// again; one that was withdrawn from the first is not.
func (s *Store) Unwritten(ctx context.Context, class uuid.UUID) ([]Unwritten, error) {
	list := []Unwritten{}
	err := s.db.SelectContext(ctx, &list, `with settled as materialized (
			select o.lesson_id, o.nth, o.learner_id from observation o left join observation later on later.replaces = o.id
			where o.class_id = $1 and o.lesson_id is not null and later.id is null and not (o.withdrawn and o.replaces is not null))
		select lesson.id as lesson_id, nth.nth, lesson_child.learner_id from lesson join lesson_child on lesson_child.lesson_id = lesson.id
		join enrolment on enrolment.learner_id = lesson_child.learner_id and enrolment.class_id = lesson.class_id and until is null
		cross join lateral generate_series(0, jsonb_array_length(tasks) - 1) as nth(nth)
		where lesson.class_id = $1 and (stand = 'ended' or stand = 'mat' and nth.nth <> lesson.nth)
		and not exists (select 1 from settled where settled.lesson_id = lesson.id and settled.nth = nth.nth and settled.learner_id = lesson_child.learner_id)
		order by lesson.changed_at desc, lesson.id, nth.nth, seat`, class)
	return list, err
}
