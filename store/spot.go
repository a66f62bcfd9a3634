package store

import (
	"context"
	"time"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"vineswap/core/book"
	"vineswap/core/lesson"
)

// A spot is a child at a task of a lesson. Its row says whether the task was worked,
// which follows from the lesson, and whether something is written, which follows
// from the records (book.Written); each is kept by who changes that, so that what is
// still to be written is found without looking through all lessons.

// workSpots notes which spots of a lesson were worked.
func workSpots(ctx context.Context, tx *sqlx.Tx, l Lesson) error {
	held := lesson.Held{ID: l.ID.String(), Items: len(l.Items), Nth: l.Nth, Stand: l.Stand, Children: l.Children, Whole: l.Whole}
	worked := held.Worked()
	nths, learners := make([]int, len(worked)), make([]string, len(worked))
	for i, spot := range worked {
		nths[i], learners[i] = spot.Nth, spot.Learner
	}
	if _, err := tx.ExecContext(ctx, `update spot set worked = false where lesson_id = $1 and worked
		and not exists (select 1 from unnest($2::integer[], $3::uuid[]) as w (n, learner) where n = nth and learner = learner_id)`, l.ID, nths, learners); err != nil {
		return err
	}
	_, err := tx.ExecContext(ctx, `insert into spot (lesson_id, nth, learner_id, class_id, worked)
		select $1, n, learner, $4, true from unnest($2::integer[], $3::uuid[]) as w (n, learner) order by 3, 2
		on conflict (lesson_id, nth, learner_id) do update set worked = true where not spot.worked`, l.ID, nths, learners, l.ClassID)
	return err
}

// writeSpots works out anew what is written in some lessons.
func writeSpots(ctx context.Context, tx *sqlx.Tx, lessons []uuid.UUID) error {
	_, err := tx.ExecContext(ctx, `insert into spot (lesson_id, nth, learner_id, class_id, written)
		select distinct lesson_id, nth, learner_id, class_id, true from observation o
		where lesson_id = any($1) and not (withdrawn and replaces is not null) and not exists (select 1 from observation later where later.replaces = o.id)
		on conflict (lesson_id, nth, learner_id) do update set written = true`, lessons)
	return err
}

// ToWrite is a child at a task of a lesson of whom nothing is written yet.
type ToWrite struct {
	book.Spot
	ChangedAt time.Time // when the lesson was changed last
}

// Unwritten lists what is still to be written up in a class of the children who are
// in it, in the lessons changed last, the last one first.
func (s *Store) Unwritten(ctx context.Context, class uuid.UUID, mostLessons int) ([]ToWrite, error) {
	var rows []struct {
		LessonID  uuid.UUID `db:"lesson_id"`
		Nth       int       `db:"nth"`
		LearnerID uuid.UUID `db:"learner_id"`
		ChangedAt time.Time `db:"changed_at"`
	}
	err := s.db.SelectContext(ctx, &rows, `with open as (select lesson_id, nth, learner_id from spot where class_id = $1 and worked and not written
			and exists (select 1 from enrolment e where e.class_id = $1 and e.learner_id = spot.learner_id and until is null)),
		latest as (select id, changed_at from lesson where id in (select lesson_id from open) order by changed_at desc, id limit $2)
		select open.lesson_id, open.nth, open.learner_id, changed_at from open join latest on latest.id = open.lesson_id
			left join lesson_child c on c.lesson_id = open.lesson_id and c.learner_id = open.learner_id
		order by changed_at desc, open.lesson_id, open.nth, seat`, class, mostLessons)
	list := make([]ToWrite, len(rows))
	for i, r := range rows {
		list[i] = ToWrite{book.Spot{Lesson: r.LessonID.String(), Nth: r.Nth, Learner: r.LearnerID.String()}, r.ChangedAt}
	}
	return list, err
}
