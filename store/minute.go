package store

import (
	"context"
	"errors"
	"fmt"
	"time"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"vineswap/core/book"
	"vineswap/core/sheet"
)

// Minute is a minute of facts of one child.
type Minute struct {
	ID        uuid.UUID
	ClassID   uuid.UUID
	LearnerID uuid.UUID
	SheetID   uuid.NullUUID
	sheet.Timed
	Day      book.Day
	Replaces uuid.NullUUID // the one that it corrects
	KeptBy   uuid.UUID
	Seq      int64 // when read
}

// KeepMinute keeps a minute. The same id again changes nothing; an id that another one uses
// gives ErrTaken, a correction of what is not there ErrNone and of what was corrected
// meanwhile ErrStale, a child who was erased ErrErased.
func (s *Store) KeepMinute(ctx context.Context, m Minute) error {
	return s.inTx(ctx, func(tx *sqlx.Tx) error {
		if err := holdLearner(ctx, tx, m.LearnerID); errors.Is(err, ErrNone) {
			return ErrErased
		} else if err != nil {
			return err
		}
		var at struct {
			Same      bool `db:"same"`
			Used      bool `db:"used"`
			Replaced  bool `db:"replaced"`
			Corrected bool `db:"corrected"`
		}
		err := tx.GetContext(ctx, &at, `select exists (select 1 from minute where id = $1 and learner_id = $2 and tried = $4 and rights = $5) as same, exists (select 1 from minute where id = $1) as used,
			exists (select 1 from minute where id = $3 and learner_id = $2) as replaced, exists (select 1 from minute where replaces = $3) as corrected`, m.ID, m.LearnerID, m.Replaces, m.Tried, m.Right)
		switch {
		case err != nil || at.Same:
			return err
		case at.Used:
			return fmt.Errorf("%w: a minute with this id", ErrTaken)
		case m.Replaces.Valid && !at.Replaced:
			return ErrNone
		case m.Replaces.Valid && at.Corrected:
			return ErrStale
		}
		_, err = tx.ExecContext(ctx, `insert into minute (id, class_id, learner_id, sheet_id, facts, seconds, tried, rights, day, replaces, kept_by) values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11)`,
			m.ID, m.ClassID, m.LearnerID, m.SheetID, m.Facts, m.Seconds, m.Tried, m.Right, m.Day.Time(), m.Replaces, m.KeptBy)
		return taken(err, "a minute with this id")
	})
}

// Minutes lists the minutes of some learners that stand, oldest first.
func (s *Store) Minutes(ctx context.Context, learners []uuid.UUID) ([]Minute, error) {
	var rows []struct {
		ID        uuid.UUID     `db:"id"`
		ClassID   uuid.UUID     `db:"class_id"`
		LearnerID uuid.UUID     `db:"learner_id"`
		SheetID   uuid.NullUUID `db:"sheet_id"`
		Facts     sheet.Facts   `db:"facts"`
		Seconds   int           `db:"seconds"`
		Tried     int           `db:"tried"`
		Right     int           `db:"rights"`
		Day       time.Time     `db:"day"`
		Seq       int64         `db:"seq"`
	}
	err := s.db.SelectContext(ctx, &rows, `select id, class_id, learner_id, sheet_id, facts, seconds, tried, rights, day, seq from minute m where learner_id = any($1) and not exists (select 1 from minute later where later.replaces = m.id) order by day, seq`, learners)
	list := make([]Minute, len(rows))
	for i, r := range rows {
		list[i] = Minute{ID: r.ID, ClassID: r.ClassID, LearnerID: r.LearnerID, SheetID: r.SheetID, Timed: sheet.Timed{Facts: r.Facts, Seconds: r.Seconds, Tried: r.Tried, Right: r.Right}, Day: book.DayOf(r.Day.UTC()), Seq: r.Seq}
	}
	return list, err
}
