// Package pgtest gives tests a real PostgreSQL: one throwaway cluster for a
// package, one database for each test, copied from a migrated template.
package pgtest

import (
	"context"
	"database/sql"
	"fmt"
	"os"
	"strings"
	"sync"
	"sync/atomic"
	"testing"

	"vineswap/localpg"
	"vineswap/store"
)

var (
	server  *localpg.Server
	counter atomic.Int64
)

const template = "template_migrated"

// Main runs a package's tests, those of a *testing.M, beside a cluster of their
// own and returns the exit status. TestMain hands it to os.Exit.
func Main(m interface{ Run() int }) int {
	ctx := context.Background()
	dir, err := os.MkdirTemp("/var/tmp", "vineswap-test-")
	if err != nil {
		return failed(err)
	}
	defer os.RemoveAll(dir)
	if server, err = localpg.Start(ctx, localpg.Options{Dir: dir, Throwaway: true}); err != nil {
		return failed(err)
	}
	defer server.Stop()
	if err := makeTemplate(ctx); err != nil {
		return failed(err)
	}
	return m.Run()
}

// Log is the path of the server's log.
func Log() string { return server.Log() }

func failed(err error) int {
	fmt.Fprintln(os.Stderr, "pgtest:", err)
	return 1
}

func makeTemplate(ctx context.Context) error {
	if err := create(template, "template1"); err != nil {
		return err
	}
	s, err := store.Open(ctx, server.URL(template))
	if err != nil {
		return err
	}
	defer s.Close()
	_, err = s.Migrate(ctx)
	return err
}

func create(name, from string) error {
	db, err := sql.Open("pgx", server.URL(localpg.Database))
	if err != nil {
		return err
	}
	defer db.Close()
	_, err = db.Exec("create database " + name + " template " + from)
	return err
}

// Empty returns the URL of a new database with nothing in it.
func Empty(t testing.TB) string { return database(t, "template1") }

// URL returns the URL of a new, migrated database.
func URL(t testing.TB) string { return database(t, template) }

var (
	filled   = map[string]bool{}
	fillLock sync.Mutex
)

// Copy returns the URL of a new database that is a copy of a named one, which
// fill makes of a migrated database when it is asked for first: for what takes
// longer to write than to copy.
func Copy(t testing.TB, name string, fill func(url string) error) string {
	t.Helper()
	fillLock.Lock()
	defer fillLock.Unlock()
	if !filled[name] {
		if err := create(name, template); err != nil {
			t.Fatal(err)
		}
		if err := fill(server.URL(name)); err != nil {
			t.Fatal(err)
		}
		filled[name] = true
	}
	return database(t, name)
}

func database(t testing.TB, from string) string {
	t.Helper()
	name := fmt.Sprintf("t%d", counter.Add(1))
	if err := create(name, from); err != nil {
		t.Fatal(err)
	}
	return server.URL(name)
}

// Open opens the store at a URL for the length of a test.
func Open(t testing.TB, url string) *store.Store {
	t.Helper()
	s, err := store.Open(context.Background(), url)
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { s.Close() })
	return s
}

// Exec runs statements on the database of a test, for states that the store
// itself would never write.
func Exec(t testing.TB, url string, statements ...string) {
	t.Helper()
	db, err := sql.Open("pgx", url)
	if err != nil {
		t.Fatal(err)
	}
	defer db.Close()
	if _, err := db.Exec(strings.Join(statements, ";")); err != nil {
		t.Fatal(err)
	}
}
