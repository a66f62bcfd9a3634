package store

import (
	"context"
	"database/sql"
	"encoding/json"
	"fmt"
	"strings"
	"time"

	"github.com/google/uuid"

	"vineswap/core/book"
	"vineswap/core/lesson"
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

// Held lists what of the lessons of a class bears on what is still to be written,
// the one changed last first, with what was recorded of them in the order in which
// it was kept.
func (s *Store) Held(ctx context.Context, class uuid.UUID) ([]lesson.Held, []book.Record, error) {
	var rows []struct {
		ID       uuid.UUID      `db:"id"`
		Items    int            `db:"items"`
		Nth      int            `db:"nth"`
		Stand    lesson.Stand   `db:"stand"`
		Children sql.NullString `db:"children"`
	}
	if err := s.db.SelectContext(ctx, &rows, `select id, jsonb_array_length(tasks) as items, nth, stand,
			(select string_agg(learner_id::text, ' ' order by seat) from lesson_child where lesson_id = lesson.id) as children
		from lesson where class_id = $1 order by changed_at desc, id`, class); err != nil {
		return nil, nil, err
	}
	lessons := make([]lesson.Held, len(rows))
	for i, r := range rows {
		lessons[i] = lesson.Held{ID: r.ID.String(), Items: r.Items, Nth: r.Nth, Stand: r.Stand, Children: strings.Fields(r.Children.String)}
	}
	var marks []struct {
		ID        uuid.UUID     `db:"id"`
		LessonID  uuid.UUID     `db:"lesson_id"`
		LearnerID uuid.UUID     `db:"learner_id"`
		Nth       int           `db:"nth"`
		Withdrawn bool          `db:"withdrawn"`
		Replaces  uuid.NullUUID `db:"replaces"`
		Seq       int64         `db:"seq"`
	}
	if err := s.db.SelectContext(ctx, &marks, `select id, lesson_id, learner_id, nth, withdrawn, replaces, seq from observation where class_id = $1 and lesson_id is not null order by seq`, class); err != nil {
		return nil, nil, err
	}
	records := make([]book.Record, len(marks))
	for i, m := range marks {
		records[i] = Observation{ID: m.ID, LessonID: uuid.NullUUID{UUID: m.LessonID, Valid: true}, LearnerID: m.LearnerID, Nth: m.Nth, Withdrawn: m.Withdrawn, Replaces: m.Replaces, Seq: m.Seq}.Record()
	}
	return lessons, records, nil
}
