package store

import (
	"context"
	"encoding/json"
	"fmt"
	"time"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"vineswap/core/book"
	"vineswap/core/task"
)

// KeptChoice is a choice of numbers that a guide has named for the class. The
// choice is kept as it was asked for, in the form of a version.
type KeptChoice struct {
	ID      uuid.UUID
	ClassID uuid.UUID `db:"class_id"`
	Name    string
	Version int
	Choice  json.RawMessage
	KeptBy  uuid.UUID `db:"kept_by"`
	KeptAt  time.Time `db:"kept_at"`
}

// MostKept is how many choices a class can keep.
const MostKept = 60

// ErrFull is returned where a class keeps as many choices as it can.
var ErrFull = fmt.Errorf("a class keeps at most %d choices", MostKept)

// KeepChoice keeps a choice. A name that the class uses already gives ErrTaken,
// the same id again changes nothing, and a class that is full gives ErrFull.
func (s *Store) KeepChoice(ctx context.Context, k KeptChoice) error {
	res, err := s.db.NamedExecContext(ctx, `insert into kept_choice (id, class_id, name, version, choice, kept_by)
		select :id, :class_id, :name, :version, :choice, :kept_by
		where (select count(*) from kept_choice where class_id = :class_id) < `+fmt.Sprint(MostKept)+`
		on conflict (id) do nothing`, k)
	if err != nil {
		return taken(err, "a choice with this name")
	}
	if n, err := res.RowsAffected(); err != nil || n == 1 {
		return err
	}
	var there bool
	if err := s.db.GetContext(ctx, &there, `select exists (select 1 from kept_choice where id = $1 and class_id = $2)`, k.ID, k.ClassID); err != nil || there {
		return err
	}
	return ErrFull
}

// KeptChoices lists the choices of a class by name.
func (s *Store) KeptChoices(ctx context.Context, class uuid.UUID) ([]KeptChoice, error) {
	list := []KeptChoice{}
	err := s.db.SelectContext(ctx, &list, `select id, class_id, name, version, choice, kept_by, kept_at from kept_choice where class_id = $1 order by name`, class)
	return list, err
}

// DropChoice forgets a choice; ErrNone where the class has no such one.
func (s *Store) DropChoice(ctx context.Context, class, id uuid.UUID) error {
	res, err := s.db.ExecContext(ctx, `delete from kept_choice where class_id = $1 and id = $2`, class, id)
	if err != nil {
		return err
	}
	if n, err := res.RowsAffected(); err != nil || n == 1 {
		return err
	}
	return ErrNone
}

// Worked lists the tasks of a kind that any of some learners of a class have had
// since a day, in lessons and in records that stand.
func (s *Store) Worked(ctx context.Context, class uuid.UUID, learners []uuid.UUID, kind task.Kind, since book.Day) ([]task.Task, error) {
	if len(learners) == 0 {
		return nil, nil
	}
	query, args, err := sqlx.In(`select distinct task from observation o
		where class_id = ? and learner_id in (?) and day >= ? and not withdrawn and task->>'kind' = ?
		and not exists (select 1 from observation later where later.replaces = o.id)
		union select t.value->'task' from lesson join lesson_child on lesson_id = lesson.id
		cross join lateral jsonb_array_elements(tasks) as t
		where class_id = ? and learner_id in (?) and changed_at >= ?::date and stand <> 'gathering' and t.value->'task'->>'kind' = ?`,
		class, learners, since.String(), kind, class, learners, since.String(), kind)
	if err != nil {
		return nil, err
	}
	var rows [][]byte
	if err := s.db.SelectContext(ctx, &rows, s.db.Rebind(query), args...); err != nil {
		return nil, err
	}
	list := make([]task.Task, len(rows))
	for i, row := range rows {
		if err := json.Unmarshal(row, &list[i]); err != nil {
			return nil, fmt.Errorf("a task that was worked: %w", err)
		}
	}
	return list, nil
}

// WorkedBy lists what learners of a class have worked since a day, each its own, in no
// particular order.
func (s *Store) WorkedBy(ctx context.Context, class uuid.UUID, learners []uuid.UUID, since book.Day) (map[string][]task.Task, error) {
	all := map[string][]task.Task{}
	if len(learners) == 0 {
		return all, nil
	}
	var rows []struct {
		LearnerID uuid.UUID `db:"learner_id"`
		Task      []byte    `db:"task"`
	}
	err := s.db.SelectContext(ctx, &rows, `select distinct learner_id, task from observation where class_id = $1 and learner_id = any($2) and day >= $3 and not withdrawn`, class, learners, since.Time())
	for _, r := range rows {
		var t task.Task
		if err := json.Unmarshal(r.Task, &t); err != nil {
			return nil, fmt.Errorf("a task that was worked: %w", err)
		}
		all[r.LearnerID.String()] = append(all[r.LearnerID.String()], t)
	}
	return all, err
}
