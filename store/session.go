package store

import (
	"context"
	"errors"
	"time"
)

// Sessions keeps what the web framework's session and CSRF middleware store,
// under random keys with an expiry. It implements fiber.Storage without
// knowing it.
type Sessions struct{ s *Store }

// Sessions returns the storage for sessions.
func (s *Store) Sessions() *Sessions { return &Sessions{s} }

// noExpiry stands for a value that is kept until it is deleted.
const noExpiry = 10 * 365 * 24 * time.Hour

// GetWithContext returns the value of a key; nil where there is none or it has
// expired.
func (s *Sessions) GetWithContext(ctx context.Context, key string) ([]byte, error) {
	var data []byte
	err := none(s.s.db.GetContext(ctx, &data, `select data from session where key = $1 and expires_at > now()`, key))
	if errors.Is(err, ErrNone) {
		return nil, nil
	}
	return data, err
}

// Get is GetWithContext without a context.
func (s *Sessions) Get(key string) ([]byte, error) {
	return s.GetWithContext(context.Background(), key)
}

// SetWithContext keeps a value for a time; 0 is for ever. An empty key or value
// is ignored.
func (s *Sessions) SetWithContext(ctx context.Context, key string, val []byte, exp time.Duration) error {
	if key == "" || len(val) == 0 {
		return nil
	}
	if exp == 0 {
		exp = noExpiry
	}
	_, err := s.s.db.ExecContext(ctx, `insert into session (key, data, expires_at) values ($1, $2, now() + make_interval(secs => $3))
		on conflict (key) do update set data = excluded.data, expires_at = excluded.expires_at`, key, val, exp.Seconds())
	return err
}

// Set is SetWithContext without a context.
func (s *Sessions) Set(key string, val []byte, exp time.Duration) error {
	return s.SetWithContext(context.Background(), key, val, exp)
}

// DeleteWithContext forgets a key; one that is not there is no error.
func (s *Sessions) DeleteWithContext(ctx context.Context, key string) error {
	_, err := s.s.db.ExecContext(ctx, `delete from session where key = $1`, key)
	return err
}

// Delete is DeleteWithContext without a context.
func (s *Sessions) Delete(key string) error { return s.DeleteWithContext(context.Background(), key) }

// ResetWithContext forgets every session.
func (s *Sessions) ResetWithContext(ctx context.Context) error {
	_, err := s.s.db.ExecContext(ctx, `delete from session`)
	return err
}

// Reset is ResetWithContext without a context.
func (s *Sessions) Reset() error { return s.ResetWithContext(context.Background()) }

// Close does nothing: the store is closed by who opened it.
func (s *Sessions) Close() error { return nil }

// Sweep deletes what has expired and returns how much.
func (s *Sessions) Sweep(ctx context.Context) (int64, error) {
	res, err := s.s.db.ExecContext(ctx, `delete from session where expires_at <= now()`)
	if err != nil {
		return 0, err
	}
	return res.RowsAffected()
}
