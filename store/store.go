// Package store keeps the records in PostgreSQL. It is the only room that
// knows SQL; it returns plain records and core's own types.
package store

import (
	"context"
	"database/sql"
	"embed"
	"errors"
	"fmt"
	"io/fs"
	"time"

	_ "github.com/jackc/pgx/v5/stdlib" // the driver "pgx"
	"github.com/jmoiron/sqlx"
	"github.com/pressly/goose/v3"
)

//go:embed migrations/*.sql
var migrations embed.FS

// ErrNone is returned where there is no such record, or none for this caller.
var ErrNone = errors.New("there is no such record")

// ErrNewer is returned for a database that a later version has written.
var ErrNewer = errors.New("the database was written by a newer version of vineswap")

// ErrTaken is returned where an id or a name is used already.
var ErrTaken = errors.New("this is used already")

// Store is a database of classes. It is safe for use by many at once.
type Store struct{ db *sqlx.DB }

// Open connects to a PostgreSQL database by its URL.
func Open(ctx context.Context, url string) (*Store, error) {
	db, err := sqlx.ConnectContext(ctx, "pgx", url)
	if err != nil {
		return nil, fmt.Errorf("connecting to the database: %w", err)
	}
	db.SetMaxOpenConns(16)
	db.SetMaxIdleConns(8)
	db.SetConnMaxIdleTime(5 * time.Minute)
	return &Store{db}, nil
}

// Close ends all connections.
func (s *Store) Close() error { return s.db.Close() }

// Ping tells whether the database answers.
func (s *Store) Ping(ctx context.Context) error { return s.db.PingContext(ctx) }

// migrationLock is the key of the advisory lock under which one process at a
// time migrates.
const migrationLock = 0x76696e65

// Migrate brings the schema up to date under an advisory lock, keeping all
// data, lets new stages arrive, and returns the number of steps taken. A schema newer than this version
// gives ErrNewer and is left alone.
func (s *Store) Migrate(ctx context.Context) (int, error) {
	conn, err := s.db.Conn(ctx)
	if err != nil {
		return 0, fmt.Errorf("migrating: %w", err)
	}
	defer conn.Close()
	if _, err := conn.ExecContext(ctx, "select pg_advisory_lock($1)", migrationLock); err != nil {
		return 0, fmt.Errorf("waiting to migrate: %w", err)
	}
	defer conn.ExecContext(context.WithoutCancel(ctx), "select pg_advisory_unlock($1)", migrationLock)
	steps, err := s.migrate(ctx)
	if err != nil {
		return steps, err
	}
	return steps, s.arrive(ctx)
}

func (s *Store) migrate(ctx context.Context) (int, error) {
	files, err := fs.Sub(migrations, "migrations")
	if err != nil {
		return 0, err
	}
	provider, err := goose.NewProvider(goose.DialectPostgres, s.db.DB, files)
	if err != nil {
		return 0, fmt.Errorf("reading migrations: %w", err)
	}
	have, err := provider.GetDBVersion(ctx)
	if err != nil {
		return 0, fmt.Errorf("reading the schema's version: %w", err)
	}
	sources := provider.ListSources()
	if known := sources[len(sources)-1].Version; have > known {
		return 0, fmt.Errorf("%w: schema %d, known up to %d", ErrNewer, have, known)
	}
	done, err := provider.Up(ctx)
	if err != nil {
		return 0, fmt.Errorf("migrating: %w", err)
	}
	return len(done), nil
}

// inTx runs do in a transaction, which is rolled back when do fails.
func (s *Store) inTx(ctx context.Context, do func(*sqlx.Tx) error) error {
	tx, err := s.db.BeginTxx(ctx, nil)
	if err != nil {
		return err
	}
	defer tx.Rollback() // does nothing once committed
	if err := do(tx); err != nil {
		return err
	}
	return tx.Commit()
}

// none turns the absence of a row into ErrNone.
func none(err error) error {
	if errors.Is(err, sql.ErrNoRows) {
		return ErrNone
	}
	return err
}
