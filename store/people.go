package store

import (
	"context"
	"database/sql"
	"errors"
	"fmt"
	"time"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"vineswap/core/ladder"
)

// Enrolled is a learner as a class has it: in it now, or retired from it.
type Enrolled struct {
	Learner
	Since time.Time    `db:"since"`
	Until sql.NullTime `db:"until"` // when the learner left; not valid for who is in the class
}

// AddLearners enrols new learners in a class from a day on, all or none. A name
// that the class uses, or that stands twice in the list, gives a *NameError.
func (s *Store) AddLearners(ctx context.Context, class uuid.UUID, list []Learner, since time.Time) error {
	return s.inTx(ctx, func(tx *sqlx.Tx) error {
		for _, l := range list {
			if err := addLearner(ctx, tx, class, l, since); err != nil {
				return err
			}
		}
		return nil
	})
}

// NameError says which name a class uses already; it wraps ErrTaken.
type NameError struct{ Name string }

func (e *NameError) Error() string { return fmt.Sprintf("there is a %s in this class already", e.Name) }
func (e *NameError) Unwrap() error { return ErrTaken }

// addLearner adds a learner, or does nothing for one who is in the class under
// this id and name, so that a repeated request is harmless.
func addLearner(ctx context.Context, tx *sqlx.Tx, class uuid.UUID, l Learner, since time.Time) error {
	var known int
	if err := tx.GetContext(ctx, &known, `select count(*) from enrolment where class_id = $1 and learner_id = $2 and name = $3`, class, l.ID, l.Name); err != nil || known > 0 {
		return err
	}
	res, err := tx.ExecContext(ctx, `insert into learner (id, told) values ($1, $2) on conflict do nothing`, l.ID, l.Told)
	if err != nil {
		return err
	}
	if oneRow(res) != nil {
		return fmt.Errorf("%w: a learner with this id", ErrTaken)
	}
	return enrol(ctx, tx, class, l, since)
}

// enrol takes a learner into a class under a name. A name that is used there is
// found by looking: PostgreSQL would write it into its log with the key that it
// violates.
func enrol(ctx context.Context, tx *sqlx.Tx, class uuid.UUID, l Learner, since time.Time) error {
	if err := nameFree(ctx, tx, class, l); err != nil {
		return err
	}
	_, err := tx.ExecContext(ctx, `with of_class as (insert into class_learner (class_id, learner_id) values ($1, $2) on conflict do nothing)
		insert into enrolment (class_id, learner_id, name, since) values ($1, $2, $3, $4)
		on conflict (class_id, learner_id, since) do update set name = excluded.name, until = null`, class, l.ID, l.Name, since)
	return nameTaken(err, l.Name)
}

// nameFree gives a *NameError where another child of a class has the name. Names of
// one class are given one after another.
func nameFree(ctx context.Context, tx *sqlx.Tx, class uuid.UUID, l Learner) error {
	if _, err := tx.ExecContext(ctx, `select pg_advisory_xact_lock(hashtextextended($1::text, 0))`, class.String()); err != nil {
		return err
	}
	var used bool
	err := tx.GetContext(ctx, &used, `select exists (select 1 from enrolment where class_id = $1 and lower(name) = lower($2) and learner_id <> $3 and until is null)`, class, l.Name, l.ID)
	if err == nil && used {
		return &NameError{l.Name}
	}
	return err
}

func nameTaken(err error, name string) error {
	if errors.Is(taken(err, ""), ErrTaken) {
		return &NameError{name}
	}
	return err
}

// ErrErased is ErrNone for a learner of whom nothing is kept.
var ErrErased = fmt.Errorf("%w: the learner is erased", ErrNone)

// LatestEnrolment returns how a class has a learner: ErrNone for one who was
// never there, and for one who has moved on to another class since; ErrErased for
// one of whom nothing is kept.
func (s *Store) LatestEnrolment(ctx context.Context, class, learner uuid.UUID) (Enrolled, error) {
	var e Enrolled
	err := s.db.GetContext(ctx, &e, `select learner_id, name, since, until from (
			select * from enrolment where learner_id = $2 order by until is null desc, since desc, until desc limit 1) latest where class_id = $1`, class, learner)
	if !errors.Is(err, sql.ErrNoRows) {
		return e, err
	}
	var known bool
	if err := s.db.GetContext(ctx, &known, `select exists (select 1 from learner where id = $1)`, learner); err != nil || known {
		return e, errors.Join(err, ErrNone)
	}
	return e, ErrErased
}

// Tell keeps what a learner of a class can do by the word of an adult.
func (s *Store) Tell(ctx context.Context, class, learner uuid.UUID, told ladder.Told) error {
	return s.inTx(ctx, func(tx *sqlx.Tx) error {
		if err := holdLearner(ctx, tx, learner); err != nil {
			return err
		}
		res, err := tx.ExecContext(ctx, `update learner set told = $3 where id = $2 and exists (select 1 from enrolment where class_id = $1 and learner_id = $2 and until is null)`, class, learner, told)
		if err != nil {
			return err
		}
		return oneRow(res)
	})
}

// RenameLearner gives a learner of a class another name there.
func (s *Store) RenameLearner(ctx context.Context, class, learner uuid.UUID, name string) error {
	return s.inTx(ctx, func(tx *sqlx.Tx) error {
		if err := nameFree(ctx, tx, class, Learner{ID: learner, Name: name}); err != nil {
			return err
		}
		res, err := tx.ExecContext(ctx, `update enrolment set name = $3 where class_id = $1 and learner_id = $2 and until is null`, class, learner, name)
		if err != nil {
			return nameTaken(err, name)
		}
		return oneRow(res)
	})
}

// oneRow gives ErrNone where a statement found nothing.
func oneRow(res sql.Result) error {
	if n, err := res.RowsAffected(); err != nil || n == 0 {
		return errors.Join(ErrNone, err)
	}
	return nil
}

// RetireLearner ends a learner's time in a class. The records stay.
func (s *Store) RetireLearner(ctx context.Context, class, learner uuid.UUID, day time.Time) error {
	return s.inTx(ctx, func(tx *sqlx.Tx) error { return retire(ctx, tx, class, learner, day) })
}

func retire(ctx context.Context, tx *sqlx.Tx, class, learner uuid.UUID, day time.Time) error {
	res, err := tx.ExecContext(ctx, `update enrolment set until = greatest($3, since) where class_id = $1 and learner_id = $2 and until is null`, class, learner, day)
	if err != nil {
		return err
	}
	return oneRow(res)
}

// ReturnLearner takes a learner who was retired back into the class.
func (s *Store) ReturnLearner(ctx context.Context, class, learner uuid.UUID) error {
	e, err := s.LatestEnrolment(ctx, class, learner)
	if err != nil {
		return err
	}
	return s.inTx(ctx, func(tx *sqlx.Tx) error {
		if err := nameFree(ctx, tx, class, e.Learner); err != nil {
			return err
		}
		_, err := tx.ExecContext(ctx, `update enrolment set until = null where class_id = $1 and learner_id = $2 and since = $3`, class, learner, e.Since)
		return nameTaken(err, e.Name)
	})
}

// MoveLearner takes a learner from one class into another under the same name;
// the history moves along. A name that is used there gives a *NameError and
// moves nothing.
func (s *Store) MoveLearner(ctx context.Context, from, to, learner uuid.UUID, day time.Time) error {
	return s.inTx(ctx, func(tx *sqlx.Tx) error {
		if err := holdLearner(ctx, tx, learner); err != nil {
			return err
		}
		var name string
		if err := tx.GetContext(ctx, &name, `select name from enrolment where class_id = $1 and learner_id = $2 and until is null`, from, learner); err != nil {
			return none(err)
		}
		if err := retire(ctx, tx, from, learner, day); err != nil {
			return err
		}
		if err := enrol(ctx, tx, to, Learner{ID: learner, Name: name}, day); err != nil {
			return err
		}
		return foldAnew(ctx, tx, learner) // by the weeks and the range of the new class
	})
}

// Enrolled lists the learners who are in a class now, by name, as the class has
// them.
func (s *Store) Enrolled(ctx context.Context, class uuid.UUID) ([]Enrolled, error) {
	list := []Enrolled{}
	err := s.db.SelectContext(ctx, &list, `select learner_id, name, since, until, told from enrolment join learner on learner.id = learner_id where class_id = $1 and until is null order by name`, class)
	return list, err
}

// Retired lists the learners who have left a class and are in no other.
func (s *Store) Retired(ctx context.Context, class uuid.UUID) ([]Enrolled, error) {
	list := []Enrolled{}
	err := s.db.SelectContext(ctx, &list, `select learner_id, name, since, until from (
			select distinct on (learner_id) * from enrolment order by learner_id, until is null desc, since desc, until desc) latest
		where class_id = $1 and until is not null order by name`, class)
	return list, err
}

// EraseLearner deletes a learner of a class from every table; the class keeps
// the count alone.
func (s *Store) EraseLearner(ctx context.Context, class, learner uuid.UUID) error {
	if _, err := s.LatestEnrolment(ctx, class, learner); err != nil {
		return err
	}
	return s.inTx(ctx, func(tx *sqlx.Tx) error {
		if err := holdLearner(ctx, tx, learner); err != nil {
			return err // before what belongs to it, as a lesson does
		}
		res, err := tx.ExecContext(ctx, `delete from learner where id = $1`, learner)
		if err != nil {
			return err
		}
		if err := oneRow(res); err != nil {
			return err
		}
		_, err = tx.ExecContext(ctx, `update class set erased = erased + 1 where id = $1`, class)
		return err
	})
}

// Erased tells how many learners were erased from a class.
func (s *Store) Erased(ctx context.Context, class uuid.UUID) (int, error) {
	var n int
	err := s.db.GetContext(ctx, &n, `select erased from class where id = $1`, class)
	return n, none(err)
}

// Member is an account in a class.
type Member struct {
	AccountID uuid.UUID `db:"account_id"`
	Name      string    `db:"name"`
	Email     string    `db:"email"`
	Role      Role      `db:"role"`
}

// Members lists the accounts of a class, leads first.
func (s *Store) Members(ctx context.Context, class uuid.UUID) ([]Member, error) {
	list := []Member{}
	err := s.db.SelectContext(ctx, &list, `select account_id, name, email, role from membership join account on account.id = account_id
		where class_id = $1 order by array_position(array['lead', 'assistant', 'viewer'], role), name`, class)
	return list, err
}

// Invitation is an open invitation. What its link says is known to nobody here:
// Key is its hash.
type Invitation struct {
	Key       string    `db:"key"`
	ClassID   uuid.UUID `db:"class_id"`
	Class     string    `db:"class"`
	Role      Role      `db:"role"`
	MadeBy    uuid.UUID `db:"made_by"`
	By        string    `db:"by_name"` // who made it, where they are listed
	ID        uuid.UUID `db:"id"`
	ExpiresAt time.Time `db:"expires_at"`
}

// Invite keeps an invitation.
func (s *Store) Invite(ctx context.Context, i Invitation) error {
	_, err := s.db.NamedExecContext(ctx, `insert into invitation (key, class_id, role, made_by, expires_at) values (:key, :class_id, :role, :made_by, :expires_at)`, i)
	return err
}

// Invitation finds an open invitation by its key; ErrNone where there is none,
// it was used, or it has expired.
func (s *Store) Invitation(ctx context.Context, key string, now time.Time) (Invitation, error) {
	var i Invitation
	err := s.db.GetContext(ctx, &i, openInvitation, key, now)
	return i, none(err)
}

const openInvitation = `select invitation.id, key, class_id, class.name as class, role, made_by, expires_at from invitation
	join class on class.id = class_id where key = $1 and used_at is null and expires_at > $2`

// OpenInvitations lists the invitations of a class that can still be used, the
// newest first.
func (s *Store) OpenInvitations(ctx context.Context, class uuid.UUID, now time.Time) ([]Invitation, error) {
	list := []Invitation{}
	err := s.db.SelectContext(ctx, &list, `select invitation.id, key, class_id, class.name as class, role, made_by, account.name as by_name, expires_at from invitation
		join class on class.id = class_id join account on account.id = made_by
		where class_id = $1 and used_at is null and expires_at > $2 order by expires_at desc, id`, class, now)
	return list, err
}

// WithdrawInvitation makes a link useless; ErrNone where the class has no such open
// invitation.
func (s *Store) WithdrawInvitation(ctx context.Context, class, id uuid.UUID) error {
	res, err := s.db.ExecContext(ctx, `delete from invitation where class_id = $1 and id = $2 and used_at is null`, class, id)
	if err != nil {
		return err
	}
	return oneRow(res)
}

// Accept uses an invitation up, for an account that is there or for a new one.
// Whoever has a higher role in the class already keeps it. Of two who come with
// the same link, one gets ErrNone.
func (s *Store) Accept(ctx context.Context, key string, a Account, isNew bool, now time.Time) error {
	return s.inTx(ctx, func(tx *sqlx.Tx) error {
		var i Invitation
		if err := tx.GetContext(ctx, &i, openInvitation+` for update of invitation`, key, now); err != nil {
			return none(err)
		}
		if isNew {
			if err := addAccount(ctx, tx, a); err != nil {
				return err
			}
		}
		if _, err := tx.ExecContext(ctx, `update invitation set used_by = $2, used_at = $3 where key = $1`, key, a.ID, now); err != nil {
			return err
		}
		var has Role
		err := none(tx.GetContext(ctx, &has, `select role from membership where account_id = $1 and class_id = $2`, a.ID, i.ClassID))
		if err == nil && has.May(i.Role) {
			return nil
		}
		if err != nil && !errors.Is(err, ErrNone) {
			return err
		}
		return join(ctx, tx, a.ID, i.ClassID, i.Role)
	})
}
