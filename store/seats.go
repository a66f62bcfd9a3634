package store

import (
	"context"
	"errors"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"
)

// ClassSeat is where a child sits: a column from the left and a row from the front, as the
// guide sees the class.
type ClassSeat struct {
	LearnerID uuid.UUID `db:"learner_id"`
	X         int       `db:"x"`
	Y         int       `db:"y"`
}

// Limits of a seat plan, in seats.
const (
	SeatsWide = 12
	SeatsDeep = 12
)

// ErrSameSeat is returned for a plan in which two children sit on one seat.
var ErrSameSeat = errors.New("two children cannot have the same seat")

// SeatPlan reads how a class sits, of the children who are in it, and the plan's revision.
func (s *Store) SeatPlan(ctx context.Context, class uuid.UUID) (list []ClassSeat, revision int, err error) {
	if err := s.db.GetContext(ctx, &revision, `select seated from class where id = $1`, class); err != nil {
		return nil, 0, none(err)
	}
	list = []ClassSeat{}
	err = s.db.SelectContext(ctx, &list, `select learner_id, x, y from class_seat s where class_id = $1
		and exists (select 1 from enrolment e where e.class_id = $1 and e.learner_id = s.learner_id and until is null) order by y, x`, class)
	return list, revision, err
}

// SetSeatPlan keeps how a class sits, from the newest revision. A child who is not in the class
// gives ErrNone, two on one seat ErrSameSeat, an older revision ErrStale; nothing changes then.
func (s *Store) SetSeatPlan(ctx context.Context, class uuid.UUID, revision int, list []ClassSeat) error {
	at := map[[2]int]bool{}
	ids, xs, ys := make([]uuid.UUID, len(list)), make([]int, len(list)), make([]int, len(list))
	for i, seat := range list {
		spot := [2]int{seat.X, seat.Y}
		if at[spot] {
			return ErrSameSeat
		}
		at[spot] = true
		ids[i], xs[i], ys[i] = seat.LearnerID, seat.X, seat.Y
	}
	return s.inTx(ctx, func(tx *sqlx.Tx) error {
		if _, err := tx.ExecContext(ctx, `select 1 from (select id from learner where id = any($1) order by id for key share) as held`, ids); err != nil {
			return err
		}
		res, err := tx.ExecContext(ctx, `update class set seated = seated + 1 where id = $1 and seated = $2`, class, revision)
		if err != nil {
			return err
		}
		if n, err := res.RowsAffected(); err != nil || n == 0 {
			return errors.Join(ErrStale, err)
		}
		if _, err := tx.ExecContext(ctx, `delete from class_seat where class_id = $1`, class); err != nil {
			return err
		}
		res, err = tx.ExecContext(ctx, `insert into class_seat (class_id, learner_id, x, y) select $1, id, x, y from unnest($2::uuid[], $3::integer[], $4::integer[]) as s (id, x, y)
			where exists (select 1 from enrolment where class_id = $1 and learner_id = id and until is null)`, class, ids, xs, ys)
		if err != nil {
			return err
		}
		if n, err := res.RowsAffected(); err != nil || n != int64(len(list)) {
			return errors.Join(ErrNone, err)
		}
		return nil
	})
}
