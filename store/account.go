package store

import (
	"context"
	"errors"
	"fmt"
	"strings"

	"github.com/google/uuid"
	"github.com/jackc/pgx/v5/pgconn"
	"github.com/jmoiron/sqlx"
)

// Role is what an account may do in a class.
type Role string

// The roles, least first.
const (
	Viewer    Role = "viewer"    // reads
	Assistant Role = "assistant" // chooses, presents and records
	Lead      Role = "lead"      // does all of it, sets the class and its people
)

// rank orders the roles; an unknown role may do nothing.
var rank = map[Role]int{Viewer: 1, Assistant: 2, Lead: 3}

// May tells whether the role includes what least may do.
func (r Role) May(least Role) bool { return rank[r] >= rank[least] && rank[least] > 0 }

// Account is someone who logs in.
type Account struct {
	ID       uuid.UUID `db:"id"`
	Email    string    `db:"email"`
	Name     string    `db:"name"`
	Password string    `db:"password"` // argon2id, in PHC form
}

// Membership is a class that an account belongs to.
type Membership struct {
	ClassID uuid.UUID `db:"class_id"`
	Class   string    `db:"name"`
	Role    Role      `db:"role"`
}

// AddAccount keeps a new account. An email that is used gives ErrTaken.
func (s *Store) AddAccount(ctx context.Context, a Account) error {
	return addAccount(ctx, s.db, a)
}

func addAccount(ctx context.Context, db sqlx.ExtContext, a Account) error {
	a.Email = strings.ToLower(a.Email)
	_, err := sqlx.NamedExecContext(ctx, db, `insert into account (id, email, name, password) values (:id, :email, :name, :password)`, a)
	return taken(err, "an account with this email")
}

// AddAccountWithClass keeps a new account and a class that it leads, both or
// neither.
func (s *Store) AddAccountWithClass(ctx context.Context, a Account, c Class) error {
	return s.inTx(ctx, func(tx *sqlx.Tx) error {
		if err := addAccount(ctx, tx, a); err != nil {
			return err
		}
		if err := addClass(ctx, tx, c); err != nil {
			return err
		}
		return join(ctx, tx, a.ID, c.ID, Lead)
	})
}

// SetPassword replaces the password of the account with this email and ends
// nothing else. No such account gives ErrNone.
func (s *Store) SetPassword(ctx context.Context, email, password string) error {
	res, err := s.db.ExecContext(ctx, `update account set password = $2 where email = $1`, strings.ToLower(email), password)
	if err != nil {
		return err
	}
	if n, err := res.RowsAffected(); err != nil || n == 0 {
		return errors.Join(ErrNone, err)
	}
	return nil
}

// AccountByEmail finds an account to log in; ErrNone where there is none.
func (s *Store) AccountByEmail(ctx context.Context, email string) (Account, error) {
	var a Account
	err := s.db.GetContext(ctx, &a, `select id, email, name, password from account where email = $1`, strings.ToLower(email))
	return a, none(err)
}

// AccountByID finds the account of a session; ErrNone where there is none.
func (s *Store) AccountByID(ctx context.Context, id uuid.UUID) (Account, error) {
	var a Account
	err := s.db.GetContext(ctx, &a, `select id, email, name, password from account where id = $1`, id)
	return a, none(err)
}

// Join gives an account a role in a class, instead of any that it had there.
func (s *Store) Join(ctx context.Context, account, class uuid.UUID, role Role) error {
	return join(ctx, s.db, account, class, role)
}

func join(ctx context.Context, db sqlx.ExecerContext, account, class uuid.UUID, role Role) error {
	_, err := db.ExecContext(ctx, `insert into membership (account_id, class_id, role) values ($1, $2, $3)
		on conflict (account_id, class_id) do update set role = excluded.role`, account, class, role)
	return err
}

// Memberships lists the classes of an account by name.
func (s *Store) Memberships(ctx context.Context, account uuid.UUID) ([]Membership, error) {
	list := []Membership{}
	err := s.db.SelectContext(ctx, &list, `select class_id, class.name, role from membership
		join class on class.id = class_id where account_id = $1 order by class.name, class_id`, account)
	return list, err
}

// RoleIn returns the role of an account in a class; ErrNone for a class that is
// not the account's, or is none.
func (s *Store) RoleIn(ctx context.Context, account, class uuid.UUID) (Role, error) {
	var r Role
	err := s.db.GetContext(ctx, &r, `select role from membership where account_id = $1 and class_id = $2`, account, class)
	return r, none(err)
}

// uniqueViolation is PostgreSQL's code for a key that is used already.
const uniqueViolation = "23505"

// taken turns a violated key into ErrTaken, naming what it is.
func taken(err error, what string) error {
	var pg *pgconn.PgError
	if errors.As(err, &pg) && pg.Code == uniqueViolation {
		return fmt.Errorf("%w: %s", ErrTaken, what)
	}
	return err
}
