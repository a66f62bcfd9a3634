package store

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"time"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"vineswap/core/book"
	"vineswap/core/ladder"
	"vineswap/core/setting"
)

// Class is a group of learners with its own words, material and time zone.
type Class struct {
	ID       uuid.UUID
	Name     string
	Zone     string // an IANA name; a day is a day there
	Settings setting.Class
	Revision int
	Weeks    []book.Week // in which it recorded something, in order
	Minutes  int         // that a day has for lessons; 0 where nobody said
	Helpers  int         // adults who hold lessons besides the guide
}

// Judged is what of the class bears on judging its children.
func (c Class) Judged() ladder.Class {
	return ladder.Class{Limit: c.Settings.Range.Limit(), Weeks: c.Weeks}
}

// Learner is a child of a class, by the name used there.
type Learner struct {
	ID   uuid.UUID   `db:"learner_id"`
	Name string      `db:"name"`
	Told ladder.Told `db:"told"` // what it can do, where a new one is added
}

// ErrStale is returned for a write that did not start from the newest revision.
var ErrStale = fmt.Errorf("this was changed elsewhere since it was read")

// AddClass keeps a new class.
func (s *Store) AddClass(ctx context.Context, c Class) error { return addClass(ctx, s.db, c) }

func addClass(ctx context.Context, db sqlx.ExecerContext, c Class) error {
	if _, err := time.LoadLocation(c.Zone); err != nil || c.Zone == "" {
		return fmt.Errorf("%q is not a time zone: %w", c.Zone, err)
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
	return readClass(ctx, s.db, `class.id = $1`, id)
}

// classRow is a class as the table has it.
type classRow struct {
	ID       uuid.UUID `db:"id"`
	Name     string    `db:"name"`
	Zone     string    `db:"zone"`
	Settings []byte    `db:"settings"`
	Revision int       `db:"revision"`
	Weeks    []byte    `db:"weeks"` // as JSON
	Minutes  int       `db:"minutes"`
	Helpers  int       `db:"helpers"`
}

const classColumns = `class.id, class.name, class.zone, class.settings, class.revision, to_json(class.weeks) as weeks, class.minutes, class.helpers`

func readClass(ctx context.Context, db sqlx.QueryerContext, which string, arg any) (Class, error) {
	var row classRow
	if err := sqlx.GetContext(ctx, db, &row, `select `+classColumns+` from class where `+which, arg); err != nil {
		return Class{}, none(err)
	}
	return row.class(setting.Read)
}

// settingsOf reads settings, or finds those of the same text. Nobody changes them.
func (s *Store) settingsOf(text []byte) (setting.Class, error) {
	if known, ok := s.settings.Get(string(text)); ok {
		return known, nil
	}
	read, err := setting.Read(text)
	if err == nil {
		s.settings.Add(string(text), read)
	}
	return read, err
}

func (r classRow) class(read func([]byte) (setting.Class, error)) (Class, error) {
	settings, err := read(r.Settings)
	if err != nil {
		return Class{}, err
	}
	c := Class{r.ID, r.Name, r.Zone, settings, r.Revision, nil, r.Minutes, r.Helpers}
	if err := json.Unmarshal(r.Weeks, &c.Weeks); err != nil {
		return c, fmt.Errorf("the weeks of class %v: %w", r.ID, err)
	}
	return c, nil
}

// ClassAs reads a class together with the role that an account has in it; ErrNone
// for a class that is not the account's, or is none.
func (s *Store) ClassAs(ctx context.Context, account, class uuid.UUID) (Class, Role, error) {
	var row struct {
		classRow
		Role Role `db:"role"`
	}
	err := s.db.GetContext(ctx, &row, `select role, `+classColumns+` from membership join class on class.id = class_id where account_id = $1 and class_id = $2`, account, class)
	if err != nil {
		return Class{}, "", none(err)
	}
	c, err := row.class(s.settingsOf)
	return c, row.Role, err
}

// SetSettings keeps the settings of a class if it is still at the revision that
// they were made from; ErrStale otherwise.
func (s *Store) SetSettings(ctx context.Context, id uuid.UUID, revision int, settings setting.Class) error {
	data, err := json.Marshal(settings)
	if err != nil {
		return err
	}
	return s.inTx(ctx, func(tx *sqlx.Tx) error {
		if _, err := holdClass(ctx, tx, id); err != nil {
			return err // before the class, as whoever records does
		}
		before, err := readClass(ctx, tx, `class.id = $1`, id)
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
		if before.Settings.Range.Limit() == settings.Range.Limit() {
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
