package store

import (
	"context"
	"encoding/json"
	"time"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/group"
	"vineswap/core/ladder"
)

// SetDay keeps how many minutes a class has for lessons on a day, 0 for nobody said, and how
// many adults help; both stay until they are set again.
func (s *Store) SetDay(ctx context.Context, class uuid.UUID, minutes, helpers int) error {
	_, err := s.db.ExecContext(ctx, `update class set minutes = $2, helpers = $3 where id = $1`, class, minutes, helpers)
	return err
}

// PutOffs lists the lessons of a class that were put off and not held since, for those of
// their children who are in the class now; the first put off first.
func (s *Store) PutOffs(ctx context.Context, class uuid.UUID) ([]group.PutOff, error) {
	var rows []struct {
		Stage    choose.StageID `db:"stage"`
		Manner   book.Manner    `db:"manner"`
		Leaving  bool           `db:"leaving"`
		Day      time.Time      `db:"day"`
		Why      group.Why      `db:"why"`
		Children []byte         `db:"children"`
	}
	err := s.db.SelectContext(ctx, &rows, `select stage, manner, leaving, day, why, json_agg(enrolment.learner_id order by enrolment.learner_id) as children from put_off
		join put_off_child on put_off_id = put_off.id
		join enrolment on enrolment.class_id = put_off.class_id and enrolment.learner_id = put_off_child.learner_id and until is null
		where put_off.class_id = $1 group by put_off.id order by day, stage, manner, leaving, put_off.id`, class)
	if err != nil {
		return nil, err
	}
	list := make([]group.PutOff, len(rows))
	for i, r := range rows {
		list[i] = group.PutOff{Kind: group.Kind{Key: ladder.Key{Stage: r.Stage, Manner: r.Manner}, Leaving: r.Leaving}, On: book.DayOf(r.Day.UTC()), Why: r.Why}
		if err := json.Unmarshal(r.Children, &list[i].Children); err != nil {
			return nil, err
		}
	}
	return list, nil
}

// forgottenAfter is for how many days it is kept that a lesson was put off.
const forgottenAfter = 30

// PutOff keeps that a lesson is put off, instead of what was put off of its kind for any of
// its children before, or takes that back. ErrNone for a child who is not in the class now.
func (s *Store) PutOff(ctx context.Context, class uuid.UUID, put group.PutOff, off bool) error {
	ids := make([]uuid.UUID, len(put.Children))
	for i, child := range put.Children {
		id, err := uuid.Parse(child)
		if err != nil {
			return ErrNone
		}
		ids[i] = id
	}
	return s.inTx(ctx, func(tx *sqlx.Tx) error {
		if _, err := tx.ExecContext(ctx, `delete from put_off where class_id = $1 and (day < $6 or not exists (select 1 from put_off_child where put_off_id = id)
			or stage = $2 and manner = $3 and leaving = $4 and exists (select 1 from put_off_child where put_off_id = id and learner_id = any($5)))`, class, put.Stage, put.Manner, put.Leaving, ids, (put.On - forgottenAfter).Time()); err != nil || !off {
			return err
		}
		id := uuid.New()
		if _, err := tx.ExecContext(ctx, `insert into put_off (id, class_id, stage, manner, leaving, day, why) values ($1, $2, $3, $4, $5, $6, $7)`, id, class, put.Stage, put.Manner, put.Leaving, put.On.Time(), put.Why); err != nil {
			return err
		}
		res, err := tx.ExecContext(ctx, `insert into put_off_child (put_off_id, learner_id) select $1, learner_id from enrolment where class_id = $2 and learner_id = any($3) and until is null`, id, class, ids)
		if err != nil {
			return err
		}
		if n, err := res.RowsAffected(); err != nil || n < int64(len(ids)) || n == 0 {
			return ErrNone
		}
		return nil
	})
}

// takeUp forgets that lessons were put off, where one of their stages is opened for some of
// their children.
func takeUp(ctx context.Context, tx *sqlx.Tx, l Lesson, children []uuid.UUID) error {
	if len(children) == 0 || l.Whole {
		return nil
	}
	var stages []string
	for _, item := range l.Items {
		stages = append(stages, string(item.Stage))
	}
	_, err := tx.ExecContext(ctx, `delete from put_off where class_id = $1 and stage = any($2) and exists (select 1 from put_off_child where put_off_id = id and learner_id = any($3))`, l.ClassID, stages, children)
	return err
}

// Seen is a learner of a class who had a lesson or worked something on a day.
type Seen struct {
	LearnerID uuid.UUID
	Day       book.Day
}

// SeenSince lists who of a class now was seen on which day from a day on: by a record of the
// day, or in a lesson that was on the mat or ended on it in the class's zone. Each once.
func (s *Store) SeenSince(ctx context.Context, class Class, from book.Day) ([]Seen, error) {
	var rows []struct {
		LearnerID uuid.UUID `db:"learner_id"`
		Day       time.Time `db:"day"`
	}
	err := s.db.SelectContext(ctx, &rows, `with here as (select learner_id from enrolment where class_id = $1 and until is null)
		select o.learner_id, o.day from observation o join here on here.learner_id = o.learner_id
			where o.day >= $2 and not o.withdrawn and not o.whole and not exists (select 1 from observation later where later.replaces = o.id)
		union select lc.learner_id, (changed_at at time zone $3)::date from lesson join lesson_child lc on lesson_id = lesson.id join here on here.learner_id = lc.learner_id
			where class_id = $1 and not whole and stand in ('mat', 'ended') and changed_at >= ($2::date)::timestamp at time zone $3
		order by 2, 1`, class.ID, from.Time(), class.Zone)
	list := make([]Seen, len(rows))
	for i, r := range rows {
		list[i] = Seen{r.LearnerID, book.DayOf(r.Day.UTC())}
	}
	return list, err
}
