package store_test

import (
	"context"
	"errors"
	"fmt"
	"io"
	"testing"
	"time"

	"github.com/jackc/pgx/v5/pgconn"

	"vineswap/pgtest"
	"vineswap/store"
)

// Which errors say that the database cannot answer now, and which are about what was
// asked.
func TestUnavailable(t *testing.T) {
	pg := func(code string) error { return fmt.Errorf("reading: %w", &pgconn.PgError{Code: code}) }
	for _, c := range []struct {
		err  error
		want bool
	}{
		{nil, false}, {errors.New("anything"), false}, {store.ErrNone, false}, {store.ErrTwice, false}, {context.Canceled, false},
		{context.DeadlineExceeded, true}, {io.ErrUnexpectedEOF, true}, {pg("23505"), false}, {pg("22P05"), false}, {pg("42P01"), false}, {pg("28P01"), false}, {pg("3D000"), false},
		{pg("53100"), true}, {pg("53300"), true}, {pg("57P01"), true}, {pg("57P03"), true}, {pg("57014"), true}, {pg("58030"), true}, {pg("08006"), true}, {pg("25006"), true}, {pg("55P03"), true}, {pg("40P01"), true},
	} {
		if got := store.Unavailable(c.err); got != c.want {
			t.Errorf("%v: %t", c.err, got)
		}
	}
}

// A database that is cut off, hangs or lets a statement wait too long is told from what
// was asked, and is used again when it is back.
func TestADatabaseThatIsCutOff(t *testing.T) {
	s := newSchool(t)
	link := pgtest.Between(t, s.url)
	far := pgtest.Open(t, link.URL)
	within := func(d time.Duration) error {
		short, done := context.WithTimeout(ctx, d)
		defer done()
		_, err := far.Class(short, s.orchard.ID)
		return err
	}
	// What must be answered has the time of a slow machine; what cannot be is not waited for.
	answered := func() { must(t, within(time.Minute)) }
	answered()
	link.Cut()
	if err := within(time.Minute); !store.Unavailable(err) {
		t.Errorf("cut off: %v", err)
	}
	if _, err := store.Open(ctx, link.URL); !store.Unavailable(err) || store.Refused(err) {
		t.Errorf("opened while it is cut off: %v", err)
	}
	link.Mend()
	answered()
	link.Freeze()
	if err := within(700 * time.Millisecond); !store.Unavailable(err) {
		t.Errorf("frozen: %v", err)
	}
	link.Mend()
	answered()
	if _, err := store.Open(ctx, s.url+"&user=nobody"); err == nil || store.Unavailable(err) || !store.Refused(err) {
		t.Errorf("let in as nobody: %v", err)
	}
}
