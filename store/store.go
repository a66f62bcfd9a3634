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
	"strconv"
	"time"

	"github.com/google/uuid"
	lru "github.com/hashicorp/golang-lru/v2"
	"github.com/jackc/pgx/v5"
	"github.com/jackc/pgx/v5/pgconn"
	"github.com/jackc/pgx/v5/stdlib"
	"github.com/jmoiron/sqlx"
	"github.com/pressly/goose/v3"

	"vineswap/core/ladder"
	"vineswap/core/setting"
)

//go:embed migrations/*.sql
var migrations embed.FS

// ErrNone is returned where there is no such record, or none for this caller.
var ErrNone = errors.New("there is no such record")

// ErrNewer is returned for a database that a later version has written.
var ErrNewer = errors.New("the database was written by a newer version of vineswap")

// ErrTaken is returned where an id or a name is used already.
var ErrTaken = errors.New("this is already used")

// Store is a database of classes. It is safe for use by many at once.
type Store struct {
	db  *sqlx.DB
	url string
	// stood are children as they stand, so that what has not changed is not read
	// again; the revision of a learner tells.
	stood *lru.Cache[uuid.UUID, stood]
	// folds are those that were written last. Whoever judges on takes one out.
	folds *lru.Cache[uuid.UUID, writtenFold]
	// settings are those that were read last, by their text.
	settings *lru.Cache[string, setting.Class]
}

// writtenFold is a fold as it was written with a revision of its learner.
type writtenFold struct {
	revision int
	fold     *ladder.Fold
}

// How long the database may take. A statement that takes longer is broken off there,
// and the caller's context breaks off what a database that does not answer at all
// would keep waiting.
const (
	connectWithin   = 3 * time.Second
	statementWithin = 20 * time.Second
	lockWithin      = 10 * time.Second
	idleWithin      = 30 * time.Second // in a transaction
)

const (
	mostConnections = 16
	mostStood       = 2_000 // children
	mostFolds       = 500
	mostSettings    = 200
)

// Open connects to a PostgreSQL database by its URL. Where it cannot be reached the
// error is one of which Unavailable is true.
func Open(ctx context.Context, url string) (*Store, error) {
	db, err := Connect(url)
	if err != nil {
		return nil, err
	}
	if err := db.PingContext(ctx); err != nil {
		db.Close()
		return nil, fmt.Errorf("connecting to the database: %w", err)
	}
	children, errChildren := lru.New[uuid.UUID, stood](mostStood)
	folds, errFolds := lru.New[uuid.UUID, writtenFold](mostFolds)
	settings, errSettings := lru.New[string, setting.Class](mostSettings)
	return &Store{db, url, children, folds, settings}, errors.Join(errChildren, errFolds, errSettings)
}

// Connect makes the pool of connections that a store has. Nothing is asked of the
// database yet.
func Connect(url string) (*sqlx.DB, error) {
	db, err := open(url, map[string]time.Duration{"statement_timeout": statementWithin, "lock_timeout": lockWithin, "idle_in_transaction_session_timeout": idleWithin})
	if err != nil {
		return nil, err
	}
	db.SetMaxOpenConns(mostConnections)
	db.SetMaxIdleConns(mostConnections)
	db.SetConnMaxIdleTime(5 * time.Minute)
	return db, nil
}

// open makes a pool of connections, each with some limits of time.
func open(url string, limits map[string]time.Duration) (*sqlx.DB, error) {
	config, err := pgx.ParseConfig(url)
	if err != nil {
		return nil, fmt.Errorf("the address of the database: %w", err)
	}
	config.ConnectTimeout = connectWithin
	// A statement is planned once for a connection: all of them look for a few rows by
	// an index, whatever the values are.
	config.RuntimeParams["plan_cache_mode"] = "force_generic_plan"
	for name, limit := range limits {
		config.RuntimeParams[name] = strconv.FormatInt(limit.Milliseconds(), 10)
	}
	return sqlx.NewDb(stdlib.OpenDB(*config, stdlib.OptionAfterConnect(ids)), "pgx"), nil
}

// Close ends all connections.
func (s *Store) Close() error { return s.db.Close() }

// Ping tells whether the database answers.
func (s *Store) Ping(ctx context.Context) error {
	var one int
	return s.db.GetContext(ctx, &one, `select 1`)
}

// migrationLock is the key of the advisory lock under which one process at a
// time migrates.
const migrationLock = 0x76696e65

// Migrate brings the schema up to date under an advisory lock, keeping all
// data, lets new stages arrive, and returns the number of steps taken. A schema newer
// than this version gives ErrNewer and is left alone. It takes as long as it takes.
func (s *Store) Migrate(ctx context.Context) (int, error) {
	db, err := open(s.url, nil)
	if err != nil {
		return 0, err
	}
	defer db.Close()
	unhurried := &Store{db, s.url, s.stood, s.folds, s.settings}
	conn, err := db.Conn(ctx)
	if err != nil {
		return 0, fmt.Errorf("migrating: %w", err)
	}
	defer conn.Close()
	if _, err := conn.ExecContext(ctx, "select pg_advisory_lock($1)", migrationLock); err != nil {
		return 0, fmt.Errorf("waiting to migrate: %w", err)
	}
	defer conn.ExecContext(context.WithoutCancel(ctx), "select pg_advisory_unlock($1)", migrationLock)
	steps, err := unhurried.migrate(ctx)
	if err != nil {
		return steps, err
	}
	return steps, unhurried.arrive(ctx)
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

// mostTurns is how often a transaction is begun when it and another one wait for
// each other and the database breaks this one off.
const mostTurns = 4

// inTx runs do in a transaction, which is rolled back when do fails. It may run
// more than once: nothing that it does may be seen outside the transaction.
func (s *Store) inTx(ctx context.Context, do func(*sqlx.Tx) error) error {
	return s.inCopyingTx(ctx, func(tx *sqlx.Tx, _ copyRows) error { return do(tx) })
}

// copyRows writes rows into a table by COPY: n of them, each with the values of the columns.
type copyRows func(ctx context.Context, table string, columns []string, n int, row func(int) ([]any, error)) error

// inCopyingTx does the same with something that writes many rows at once.
func (s *Store) inCopyingTx(ctx context.Context, do func(*sqlx.Tx, copyRows) error) error {
	for turn := 1; ; turn++ {
		err := s.inOneTx(ctx, do)
		var pg *pgconn.PgError
		if turn == mostTurns || !errors.As(err, &pg) || pg.Code != deadlock && pg.Code != notSerial {
			return err
		}
	}
}

func (s *Store) inOneTx(ctx context.Context, do func(*sqlx.Tx, copyRows) error) error {
	conn, err := s.db.Connx(ctx)
	if err != nil {
		return err
	}
	defer conn.Close()
	tx, err := conn.BeginTxx(ctx, nil)
	if err != nil {
		return err
	}
	defer tx.Rollback() // does nothing once committed
	if err := do(tx, copyOn(conn)); err != nil {
		return err
	}
	return tx.Commit()
}

// copyOn copies on a connection, and so within the transaction that is open on it.
func copyOn(conn *sqlx.Conn) copyRows {
	return func(ctx context.Context, table string, columns []string, n int, row func(int) ([]any, error)) error {
		return conn.Raw(func(driver any) error {
			_, err := driver.(*stdlib.Conn).Conn().CopyFrom(ctx, pgx.Identifier{table}, columns, pgx.CopyFromSlice(n, row))
			return err
		})
	}
}

// none turns the absence of a row into ErrNone.
func none(err error) error {
	if errors.Is(err, sql.ErrNoRows) {
		return ErrNone
	}
	return err
}
