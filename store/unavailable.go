package store

import (
	"context"
	"database/sql"
	"database/sql/driver"
	"errors"
	"io"
	"net"
	"strings"

	"github.com/jackc/pgx/v5/pgconn"
)

// Codes of PostgreSQL's errors (its manual, appendix A).
const (
	uniqueViolation = "23505"
	readOnly        = "25006"
	notSerial       = "40001"
	deadlock        = "40P01"
	lockNotHad      = "55P03"
)

// classes of errors that say that the database cannot answer now, whatever it is
// asked: lost connections, want of space or memory, an operator's intervention (a
// shutdown, a start, a statement broken off), trouble with its disk.
var away = []string{"08", "53", "57", "58"}

// Unavailable tells whether an error means that the database cannot answer now: it
// cannot be reached, is starting, full, frozen or read-only. The same request may
// succeed later, and nothing is said about what was asked.
func Unavailable(err error) bool {
	var pg *pgconn.PgError
	if errors.As(err, &pg) {
		for _, class := range away {
			if strings.HasPrefix(pg.Code, class) {
				return true
			}
		}
		return pg.Code == readOnly || pg.Code == lockNotHad || pg.Code == deadlock || pg.Code == notSerial
	}
	if Refused(err) {
		return false
	}
	var connecting *pgconn.ConnectError
	var network net.Error
	return errors.As(err, &connecting) || errors.As(err, &network) || errors.Is(err, driver.ErrBadConn) || errors.Is(err, sql.ErrConnDone) ||
		errors.Is(err, io.EOF) || errors.Is(err, io.ErrUnexpectedEOF) || errors.Is(err, context.DeadlineExceeded) || errors.Is(err, net.ErrClosed) ||
		err != nil && strings.Contains(err.Error(), "conn closed")
}

// Refused tells whether the database answered and let nobody in: a wrong password,
// or no database of this name. Waiting does not help.
func Refused(err error) bool {
	var pg *pgconn.PgError
	return errors.As(err, &pg) && (strings.HasPrefix(pg.Code, "28") || strings.HasPrefix(pg.Code, "3D"))
}
