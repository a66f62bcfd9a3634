package store

import (
	"context"
	"errors"
	"strings"
	"time"

	"github.com/google/uuid"
	"github.com/jackc/pgx/v5"
	"github.com/jmoiron/sqlx"
)

// Heard is what has changed: ids alone. A nil lesson is all lessons of the class, a nil class
// everything: changes may have been missed.
type Heard struct {
	Class  uuid.UUID
	Lesson uuid.UUID
}

// channel is the one on which servers tell one another.
const channel = "vineswap"

// notify tells all servers on the database, once the transaction is done.
func notify(ctx context.Context, tx *sqlx.Tx, h Heard) error {
	_, err := tx.ExecContext(ctx, `select pg_notify($1, $2)`, channel, h.Class.String()+" "+h.Lesson.String())
	return err
}

func heardOf(payload string) (Heard, bool) {
	class, lesson, _ := strings.Cut(payload, " ")
	at, err := uuid.Parse(class)
	of, wrong := uuid.Parse(lesson)
	return Heard{at, of}, err == nil && wrong == nil
}

// Pauses of a listener before it connects again.
const (
	listenAgain    = 100 * time.Millisecond
	mostListenWait = 5 * time.Second
)

// Listen tells what changes until the context ends, on a connection of its own. After each
// time that it has connected it tells of everything: what happened meanwhile was not heard.
func (s *Store) Listen(ctx context.Context, hear func(Heard)) {
	pause := listenAgain
	for ctx.Err() == nil {
		if err := s.listen(ctx, func(h Heard) { pause = listenAgain; hear(h) }); ctx.Err() != nil || err == nil {
			return
		}
		select {
		case <-ctx.Done():
		case <-time.After(pause):
		}
		pause = min(2*pause, mostListenWait)
	}
}

func (s *Store) listen(ctx context.Context, hear func(Heard)) error {
	config, err := pgx.ParseConfig(s.url)
	if err != nil {
		return err
	}
	config.ConnectTimeout = connectWithin
	conn, err := pgx.ConnectConfig(ctx, config)
	if err != nil {
		return err
	}
	defer conn.Close(context.WithoutCancel(ctx))
	if _, err := conn.Exec(ctx, "listen "+channel); err != nil {
		return err
	}
	hear(Heard{})
	for {
		// A link that was cut without a word is noticed, by asking now and then.
		waiting, done := context.WithTimeout(ctx, askAgain)
		n, err := conn.WaitForNotification(waiting)
		late := errors.Is(waiting.Err(), context.DeadlineExceeded)
		done()
		switch {
		case err == nil:
			if h, ours := heardOf(n.Payload); ours {
				hear(h)
			}
		case ctx.Err() != nil:
			return nil
		case late && !conn.IsClosed():
			asked, done := context.WithTimeout(ctx, connectWithin)
			err := conn.Ping(asked)
			done()
			if err != nil {
				return err
			}
		default:
			return err
		}
	}
}

// askAgain is how long a listener hears nothing before it asks whether the database is there.
const askAgain = 10 * time.Second
