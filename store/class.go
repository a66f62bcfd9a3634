package store

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"time"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"vineswap/core/setting"
)

// Class is a group of learners with its own words, material and time zone.
type Class struct {
	ID       uuid.UUID
	Name     string
	Zone     string // an IANA name; a day is a day there
	Settings setting.Class
	Revision int
}

// Learner is a child of a class, by the name used there.
type Learner struct {
	ID   uuid.UUID `db:"learner_id"`
	Name string    `db:"name"`
}

// ErrStale is returned for a write that did not start from the newest revision.
var ErrStale = fmt.Errorf("this was changed elsewhere since it was read")

// AddClass keeps a new class.
func (s *Store) AddClass(ctx context.Context, c Class) error { return addClass(ctx, s.db, c) }

func addClass(ctx context.Context, db sqlx.ExecerContext, c Class) error {
	if _, err := time.LoadLocation(c.Zone); err != nil || c.Zone == "" {
		return fmt.Errorf("%q is no time zone: %w", c.Zone, err)
	}
	settings, err := json.Marshal(c.Settings)
	if err != nil {
		return err
	}
	_, err = db.ExecContext(ctx, `insert into class (id, name, zone, settings) values ($1, $2, $3, $4)`, c.ID, c.Name, c.Zone, settings)
	return taken(err, "a class with this id")
}

// Class reads a class; ErrNone where there is none.
func (s *Store) Class(ctx context.Context, id uuid.UUID) (Class, error) {
	var row struct {
		ID       uuid.UUID
		Name     string
		Zone     string
		Settings []byte
		Revision int
	}
	if err := s.db.GetContext(ctx, &row, `select id, name, zone, settings, revision from class where id = $1`, id); err != nil {
		return Class{}, none(err)
	}
	settings, err := setting.Read(row.Settings)
	return Class{row.ID, row.Name, row.Zone, settings, row.Revision}, err
}

// SetSettings keeps the settings of a class if it is still at the revision that
// they were made from; ErrStale otherwise.
func (s *Store) SetSettings(ctx context.Context, id uuid.UUID, revision int, settings setting.Class) error {
	data, err := json.Marshal(settings)
	if err != nil {
		return err
	}
	return s.inTx(ctx, func(tx *sqlx.Tx) error {
		before, err := judgedIn(ctx, tx, id)
		if err != nil {
			return err
		}
		res, err := tx.ExecContext(ctx, `update class set settings = $3, revision = revision + 1 where id = $1 and revision = $2`, id, revision, data)
		if err != nil {
			return err
		}
		if n, err := res.RowsAffected(); err != nil || n == 0 {
			return errors.Join(ErrStale, err)
		}
		if before.Limit == settings.Range.Limit() {
			return nil
		}
		return foldClass(ctx, tx, id) // another range asks for other swaps
	})
}

// AddLearner enrols one new learner, as AddLearners does.
func (s *Store) AddLearner(ctx context.Context, class uuid.UUID, l Learner, since time.Time) error {
	return s.AddLearners(ctx, class, []Learner{l}, since)
}

// Learners lists the children who are in a class now, by name.
func (s *Store) Learners(ctx context.Context, class uuid.UUID) ([]Learner, error) {
	list := []Learner{}
	err := s.db.SelectContext(ctx, &list, `select learner_id, name from enrolment where class_id = $1 and until is null order by name`, class)
	return list, err
}
