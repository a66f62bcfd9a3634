package store

import (
	"context"
	"encoding/json"

	"github.com/google/uuid"

	"vineswap/core/lesson"
	"vineswap/core/material"
)

// Projector is the window of an account in a class that the class sees. Its code opens it
// without a log-in.
type Projector struct {
	AccountID uuid.UUID `db:"account_id"`
	ClassID   uuid.UUID `db:"class_id"`
	Code      string    `db:"code"` // typed by hand
	Pass      string    `db:"pass"` // long, and never typed: with it a window that was opened asks again
}

// ProjectorCode is the code of an account's window in a class; ErrNone where it has none.
func (s *Store) ProjectorCode(ctx context.Context, account, class uuid.UUID) (code string, err error) {
	err = s.db.GetContext(ctx, &code, `select code from projector where account_id = $1 and class_id = $2`, account, class)
	return code, none(err)
}

// SetProjectorCode gives an account's window another code; the one before opens nothing more.
func (s *Store) SetProjectorCode(ctx context.Context, p Projector) error {
	_, err := s.db.NamedExecContext(ctx, `insert into projector (account_id, class_id, code, pass) values (:account_id, :class_id, :code, :pass)
		on conflict (account_id, class_id) do update set code = excluded.code, pass = excluded.pass, made_at = now()`, p)
	return taken(err, "a projector with this code")
}

// Projector finds the window that a code or a pass opens, of an account that is still in its
// class; ErrNone where there is none.
func (s *Store) Projector(ctx context.Context, word string) (Projector, error) {
	var p Projector
	err := s.db.GetContext(ctx, &p, `select account_id, class_id, code, pass from projector p where (code = $1 or pass = $1)
		and exists (select 1 from membership m where m.account_id = p.account_id and m.class_id = p.class_id)`, word)
	return p, none(err)
}

// Moment is where the lesson in an account's hand stands.
type Moment struct {
	AccountID uuid.UUID       `db:"account_id"`
	LessonID  uuid.UUID       `db:"lesson_id"`
	Revision  int             `db:"revision"`
	Nth       int             `db:"nth"`
	Position  string          `db:"position"`
	Stand     lesson.Stand    `db:"stand"`
	Material  material.Kind   `db:"material"`
	Round     json.RawMessage `db:"round"`
	Rounds    int             `db:"rounds"` // how many of its rounds are kept
}

// Moments reads where the lessons stand that some accounts have in hand in a class, also of
// those that have just ended; an account without one is left out.
func (s *Store) Moments(ctx context.Context, class uuid.UUID, accounts []uuid.UUID) ([]Moment, error) {
	list := []Moment{}
	err := s.db.SelectContext(ctx, &list, `select account_id, lesson_id, revision, nth, position, stand, material, round, (select count(*) from round where round.lesson_id = lesson.id) as rounds
		from in_hand join lesson on lesson.id = lesson_id where in_hand.class_id = $1 and account_id = any($2)`, class, accounts)
	return list, err
}

// Full tells whether as much was tried under some keys as is let through, without counting.
func (s *Store) Full(ctx context.Context, keys []string, most []int) (full bool, err error) {
	err = s.db.GetContext(ctx, &full, `select exists (select 1 from login_try join unnest($1::text[], $2::integer[]) as asked (key, most) using (key) where tries >= most and until > now())`, keys, most)
	return full, err
}
