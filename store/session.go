package store

import (
	"context"
	"time"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"
)

// Session is a device on which an account is logged in. Key is what the secret in
// its cookie hashes to: the secret itself is kept nowhere.
type Session struct {
	Key       string    `db:"key"`
	AccountID uuid.UUID `db:"account_id"`
	Device    string    `db:"device"` // in words
	BegunAt   time.Time `db:"begun_at"`
	SeenAt    time.Time `db:"seen_at"`
	ExpiresAt time.Time `db:"expires_at"`
}

// LoggedIn is an account that is known by a session.
type LoggedIn struct {
	Account
	Unused time.Duration // how long the session was not used
}

// Limits of what is kept of an account.
const (
	mostSessions = 20
	mostDevices  = 20
)

// BeginSession keeps a session that lasts for a time, the oldest ones of the account
// going before there are too many, and notes that the account is known on a device;
// an empty device is none. Sessions go by the clock of the database, which all
// servers share.
func (s *Store) BeginSession(ctx context.Context, begun Session, device string, lasts time.Duration) error {
	return s.inTx(ctx, func(tx *sqlx.Tx) error {
		if _, err := tx.ExecContext(ctx, `insert into session (key, account_id, device, expires_at) values ($1, $2, $3, now() + make_interval(secs => $4))`, begun.Key, begun.AccountID, begun.Device, lasts.Seconds()); err != nil {
			return err
		}
		if _, err := tx.ExecContext(ctx, `delete from session where account_id = $1 and key not in (select key from session where account_id = $1 order by seen_at desc, begun_at desc limit $2)`, begun.AccountID, mostSessions); err != nil {
			return err
		}
		if device == "" {
			return nil
		}
		if _, err := tx.ExecContext(ctx, `insert into known_device (key, account_id) values ($1, $2)
			on conflict (key) do update set account_id = excluded.account_id, seen_at = now()`, device, begun.AccountID); err != nil {
			return err
		}
		_, err := tx.ExecContext(ctx, `delete from known_device where account_id = $1 and key not in (select key from known_device where account_id = $1 order by seen_at desc limit $2)`, begun.AccountID, mostDevices)
		return err
	})
}

// LoggedIn finds the account of a session that has not expired; ErrNone where there
// is none.
func (s *Store) LoggedIn(ctx context.Context, key string) (LoggedIn, error) {
	var row struct {
		Account
		Unused float64 `db:"unused"` // in seconds
	}
	err := s.db.GetContext(ctx, &row, `select account.id, email, name, password, extract(epoch from now() - session.seen_at)::float8 as unused
		from session join account on account.id = account_id where key = $1 and expires_at > now()`, key)
	return LoggedIn{row.Account, time.Duration(row.Unused * float64(time.Second))}, none(err)
}

// Touch notes that a session was used, and lets it last for a time from now on.
func (s *Store) Touch(ctx context.Context, key string, lasts time.Duration) error {
	_, err := s.db.ExecContext(ctx, `update session set seen_at = now(), expires_at = now() + make_interval(secs => $2) where key = $1`, key, lasts.Seconds())
	return err
}

// EndSession logs out.
func (s *Store) EndSession(ctx context.Context, key string) error {
	_, err := s.db.ExecContext(ctx, `delete from session where key = $1`, key)
	return err
}

// EndOtherSessions logs an account out everywhere but in one session, and returns in
// how many places. An empty key is none.
func (s *Store) EndOtherSessions(ctx context.Context, account uuid.UUID, key string) (int64, error) {
	res, err := s.db.ExecContext(ctx, `delete from session where account_id = $1 and key <> $2`, account, key)
	if err != nil {
		return 0, err
	}
	return res.RowsAffected()
}

// Sessions lists where an account is logged in, the one used last first.
func (s *Store) Sessions(ctx context.Context, account uuid.UUID) ([]Session, error) {
	list := []Session{}
	err := s.db.SelectContext(ctx, &list, `select key, account_id, device, begun_at, seen_at, expires_at from session where account_id = $1 and expires_at > now() order by seen_at desc`, account)
	return list, err
}

// KnownDevice tells whether the account with an email has logged in on a device
// before.
func (s *Store) KnownDevice(ctx context.Context, device, email string) (known bool, err error) {
	err = s.db.GetContext(ctx, &known, `select exists (select 1 from known_device join account on account.id = account_id where key = $1 and email = lower($2))`, device, email)
	return known, err
}

// Try counts a log-in under some keys, each of which lets so many through within a
// time, and tells whether it is let through: whoever is not is not counted either.
// There are never more rows than tries that were let through.
func (s *Store) Try(ctx context.Context, keys []string, most []int, within time.Duration) (let bool, err error) {
	err = s.inTx(ctx, func(tx *sqlx.Tx) error {
		let = false
		var full bool
		if err := tx.GetContext(ctx, &full, `select exists (select 1 from login_try join unnest($1::text[], $2::integer[]) as asked (key, most) using (key)
			where tries >= most and until > now())`, keys, most); err != nil || full {
			return err
		}
		return tx.GetContext(ctx, &let, `with counted as (insert into login_try (key, tries, until) select key, 1, now() + make_interval(secs => $3) from unnest($1::text[]) as key order by key
				on conflict (key) do update set tries = case when login_try.until > now() then login_try.tries + 1 else 1 end,
					until = case when login_try.until > now() then login_try.until else excluded.until end
				returning key, tries)
			select bool_and(tries <= most) from counted join unnest($1::text[], $2::integer[]) as asked (key, most) using (key)`, keys, most, within.Seconds())
	})
	return let, err
}

// Forgive takes a log-in back that was counted and was right.
func (s *Store) Forgive(ctx context.Context, keys []string) error {
	_, err := s.db.ExecContext(ctx, `update login_try set tries = greatest(tries - 1, 0) where key = any($1)`, keys)
	return err
}

// CountLogins counts all that is kept of log-ins: sessions, devices and tries.
func (s *Store) CountLogins(ctx context.Context) (n int, err error) {
	err = s.db.GetContext(ctx, &n, `select (select count(*) from session) + (select count(*) from known_device) + (select count(*) from login_try)`)
	return n, err
}

// Sweep deletes what has expired: sessions, counts of log-ins, links that nobody
// used.
func (s *Store) Sweep(ctx context.Context) (int64, error) {
	var n int64
	for _, old := range []string{`delete from session where expires_at <= now()`, `delete from login_try where until <= now()`, `delete from invitation where expires_at <= now() - interval '30 days' and used_at is null`} {
		res, err := s.db.ExecContext(ctx, old)
		if err != nil {
			return n, err
		}
		more, err := res.RowsAffected()
		if err != nil {
			return n, err
		}
		n += more
	}
	return n, nil
}
