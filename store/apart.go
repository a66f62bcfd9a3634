package store

import (
	"bytes"
	"context"
	"errors"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"
)

// Pair is two children of a class who are not to sit together.
type Pair struct {
	One, Other uuid.UUID
}

// ErrAlone is the error of keeping a child apart from itself.
var ErrAlone = errors.New("a child cannot be kept apart from itself")

// ordered is the pair as it is kept: the smaller id first.
func (p Pair) ordered() Pair {
	if bytes.Compare(p.One[:], p.Other[:]) > 0 {
		return Pair{p.Other, p.One}
	}
	return p
}

// Apart lists the pairs of those who are in a class now, in no particular order.
func (s *Store) Apart(ctx context.Context, class uuid.UUID) ([]Pair, error) {
	pairs := []Pair{}
	err := s.db.SelectContext(ctx, &pairs, `select one, other from apart where class_id = $1
		and exists (select 1 from enrolment where class_id = $1 and learner_id = one and until is null)
		and exists (select 1 from enrolment where class_id = $1 and learner_id = other and until is null)
		order by one, other`, class)
	return pairs, err
}

// KeepApart keeps a pair of a class, or lets it go. ErrAlone for one child, ErrNone for a
// child who is not in the class now.
func (s *Store) KeepApart(ctx context.Context, class uuid.UUID, pair Pair, apart bool) error {
	if pair.One == pair.Other {
		return ErrAlone
	}
	pair = pair.ordered()
	return s.inTx(ctx, func(tx *sqlx.Tx) error {
		for _, id := range []uuid.UUID{pair.One, pair.Other} { // what is suggested changes
			if err := holdLearner(ctx, tx, id); err != nil {
				return err
			}
		}
		if !apart {
			_, err := tx.ExecContext(ctx, `delete from apart where class_id = $1 and one = $2 and other = $3`, class, pair.One, pair.Other)
			return err
		}
		res, err := tx.ExecContext(ctx, `insert into apart (class_id, one, other) select $1, $2, $3
			where (select count(*) from enrolment where class_id = $1 and learner_id in ($2, $3) and until is null) = 2
			on conflict (class_id, one, other) do update set one = excluded.one`, class, pair.One, pair.Other)
		if err != nil {
			return err
		}
		return oneRow(res)
	})
}
