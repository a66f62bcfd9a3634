package store

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"vineswap/core/opener"
)

// OpenerRow is a row of openers that a class keeps.
type OpenerRow struct {
	opener.Row
	ID       uuid.UUID
	ClassID  uuid.UUID
	Revision int
	MadeBy   uuid.UUID
}

// MostRows is how many rows of openers a class can keep.
const MostRows = 20

// OpenerRows lists the rows of a class by their names.
func (s *Store) OpenerRows(ctx context.Context, class uuid.UUID) ([]OpenerRow, error) {
	var rows []struct {
		ID       uuid.UUID `db:"id"`
		Name     string    `db:"name"`
		Openers  []byte    `db:"openers"`
		Revision int       `db:"revision"`
		MadeBy   uuid.UUID `db:"made_by"`
	}
	if err := s.db.SelectContext(ctx, &rows, `select id, name, openers, revision, made_by from opener_row where class_id = $1 order by made_at, id`, class); err != nil {
		return nil, err
	}
	list := make([]OpenerRow, len(rows))
	for i, r := range rows {
		list[i] = OpenerRow{opener.Row{Name: r.Name}, r.ID, class, r.Revision, r.MadeBy}
		if err := json.Unmarshal(r.Openers, &list[i].Openers); err != nil {
			return nil, fmt.Errorf("row %v: openers: %w", r.ID, err)
		}
	}
	return list, nil
}

// PutOpenerRow keeps a row from the revision that was read, 0 for a new one. A stale write
// gives ErrStale, an id of another class ErrTaken, one row too many ErrFull.
func (s *Store) PutOpenerRow(ctx context.Context, r OpenerRow) error {
	openers, err := json.Marshal(r.Openers)
	if err != nil {
		return err
	}
	return s.inTx(ctx, func(tx *sqlx.Tx) error {
		var class uuid.UUID
		switch err := none(tx.GetContext(ctx, &class, `select class_id from opener_row where id = $1 for update`, r.ID)); {
		case errors.Is(err, ErrNone) && r.Revision == 0:
			var kept int
			if err := tx.GetContext(ctx, &kept, `select count(*) from opener_row where class_id = $1`, r.ClassID); err != nil {
				return err
			}
			if kept >= MostRows {
				return ErrFull
			}
			_, err := tx.ExecContext(ctx, `insert into opener_row (id, class_id, name, openers, made_by) values ($1, $2, $3, $4, $5)`, r.ID, r.ClassID, r.Name, openers, r.MadeBy)
			return taken(err, "a row with this id")
		case err != nil:
			return err
		case class != r.ClassID:
			return fmt.Errorf("%w: a row with this id", ErrTaken)
		}
		res, err := tx.ExecContext(ctx, `update opener_row set name = $2, openers = $3, revision = revision + 1 where id = $1 and revision = $4`, r.ID, r.Name, openers, r.Revision)
		if err != nil {
			return err
		}
		if n, err := res.RowsAffected(); err != nil || n == 0 {
			return errors.Join(ErrStale, err)
		}
		return nil
	})
}

// DropOpenerRow deletes a row; ErrNone where the class has none with this id.
func (s *Store) DropOpenerRow(ctx context.Context, class, id uuid.UUID) error {
	res, err := s.db.ExecContext(ctx, `delete from opener_row where class_id = $1 and id = $2`, class, id)
	if err != nil {
		return err
	}
	return oneRow(res)
}
