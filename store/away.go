package store

import (
	"context"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"vineswap/core/book"
)

// SetAway keeps that a learner of a class is not here on a day, or is; other days are
// forgotten. ErrNone for one who is not in the class now.
func (s *Store) SetAway(ctx context.Context, class, learner uuid.UUID, day book.Day, away bool) error {
	return s.inTx(ctx, func(tx *sqlx.Tx) error {
		if _, err := tx.ExecContext(ctx, `delete from away where class_id = $1 and (day <> $2 or learner_id = $3)`, class, day.Time(), learner); err != nil || !away {
			return err
		}
		res, err := tx.ExecContext(ctx, `insert into away (class_id, learner_id, day) select $1, $2, $3
			where exists (select 1 from enrolment where class_id = $1 and learner_id = $2 and until is null)
			on conflict (class_id, learner_id) do update set day = excluded.day`, class, learner, day.Time())
		if err != nil {
			return err
		}
		return oneRow(res)
	})
}
