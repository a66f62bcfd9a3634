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
	res, err := sqlx.NamedExecContext(ctx, db, `insert into account (id, email, name, password) values (:id, :email, :name, :password) on conflict do nothing`, a)
	if err != nil {
		return err
	}
	if oneRow(res) != nil { // no violated key, which PostgreSQL would log with the email
		return fmt.Errorf("%w: an account with this email", ErrTaken)
	}
	return nil
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

// SetPassword replaces the password of the account with this email and logs it out
// everywhere. No such account gives ErrNone.
func (s *Store) SetPassword(ctx context.Context, email, password string) error {
	return s.inTx(ctx, func(tx *sqlx.Tx) error {
		var id uuid.UUID
		if err := tx.GetContext(ctx, &id, `update account set password = $2 where email = $1 returning id`, strings.ToLower(email), password); err != nil {
			return none(err)
		}
		return endAll(ctx, tx, id)
	})
}

// endAll ends all sessions of an account; its devices are known no more.
func endAll(ctx context.Context, tx *sqlx.Tx, account uuid.UUID) error {
	if _, err := tx.ExecContext(ctx, `delete from known_device where account_id = $1`, account); err != nil {
		return err
	}
	_, err := tx.ExecContext(ctx, `delete from session where account_id = $1`, account)
	return err
}

// ErrLastLead is returned where a class would be left without a lead.
var ErrLastLead = errors.New("the class would have no lead")

// CloseAccount ends an account: it belongs to no class and cannot log in, and of it
// the name alone stays, beside what it recorded. The only lead of a class gives
// ErrLastLead.
func (s *Store) CloseAccount(ctx context.Context, account uuid.UUID) error {
	return s.inTx(ctx, func(tx *sqlx.Tx) error {
		var leads []uuid.UUID
		if err := tx.SelectContext(ctx, &leads, `select class_id from membership where account_id = $1 and role = 'lead' order by class_id`, account); err != nil {
			return err
		}
		for _, class := range leads {
			if err := otherLead(ctx, tx, class, account); err != nil {
				return err
			}
		}
		for _, stmt := range []string{`delete from membership where account_id = $1`, `delete from in_hand where account_id = $1`,
			`delete from invitation where made_by = $1 and used_at is null`,
			`update account set email = 'closed ' || id, password = '', closed_at = now() where id = $1 and closed_at is null`} {
			if _, err := tx.ExecContext(ctx, stmt, account); err != nil {
				return err
			}
		}
		return endAll(ctx, tx, account)
	})
}

// otherLead gives ErrLastLead where nobody but an account leads a class. The class is
// held, so that two leads cannot both go.
func otherLead(ctx context.Context, tx *sqlx.Tx, class, account uuid.UUID) error {
	if _, err := tx.ExecContext(ctx, `select 1 from class where id = $1 for no key update`, class); err != nil {
		return err
	}
	var others int
	err := tx.GetContext(ctx, &others, `select count(*) from membership where class_id = $1 and role = 'lead' and account_id <> $2`, class, account)
	if err == nil && others == 0 {
		return ErrLastLead
	}
	return err
}

// SetRole gives a member of a class another role there; ErrNone for whoever is none,
// ErrLastLead where the class would have no lead.
func (s *Store) SetRole(ctx context.Context, class, account uuid.UUID, role Role) error {
	return s.member(ctx, class, account, role != Lead, `update membership set role = $3 where class_id = $1 and account_id = $2`, role)
}

// RemoveMember takes an account out of a class, with the same errors as SetRole.
func (s *Store) RemoveMember(ctx context.Context, class, account uuid.UUID) error {
	return s.member(ctx, class, account, true, `delete from membership where class_id = $1 and account_id = $2`)
}

func (s *Store) member(ctx context.Context, class, account uuid.UUID, ends bool, stmt string, args ...any) error {
	return s.inTx(ctx, func(tx *sqlx.Tx) error {
		var has Role
		if err := tx.GetContext(ctx, &has, `select role from membership where class_id = $1 and account_id = $2`, class, account); err != nil {
			return none(err)
		}
		if has == Lead && ends {
			if err := otherLead(ctx, tx, class, account); err != nil {
				return err
			}
		}
		res, err := tx.ExecContext(ctx, stmt, append([]any{class, account}, args...)...)
		if err != nil {
			return err
		}
		return oneRow(res)
	})
}

// AccountByEmail finds an account to log in; ErrNone where there is none.
func (s *Store) AccountByEmail(ctx context.Context, email string) (Account, error) {
	var a Account
	err := s.db.GetContext(ctx, &a, `select id, email, name, password from account where email = $1`, strings.ToLower(email))
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

// taken turns a violated key into ErrTaken, naming what it is.
func taken(err error, what string) error {
	var pg *pgconn.PgError
	if errors.As(err, &pg) && pg.Code == uniqueViolation {
		return fmt.Errorf("%w: %s", ErrTaken, what)
	}
	return err
}
