package server

import (
	"bufio"
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"log/slog"
	"sync"
	"time"

	"github.com/gofiber/fiber/v3"
	"github.com/google/uuid"

	"vineswap/core/lesson"
	"vineswap/store"
	"vineswap/wire"
)

// Limits of streams that follow a lesson.
const (
	mostFollowers  = 2_000 // of a server
	mostOfAccount  = 80    // of one account in one class: its projectors and devices
	heartbeatEvery = 15 * time.Second
	streamWithin   = 20 * time.Second // one write to a stream
	momentsWithin  = 10 * time.Second
	tellAgain      = 500 * time.Millisecond // after the database could not be read
)

// hub tells who follows a lesson where it stands. It hears of changes by the database, which
// all servers share, and reads where the lessons stand once for all who follow them.
type hub struct {
	store *store.Store
	lock  sync.Mutex
	all   map[follows]map[*follower]bool
	count int
	dirty map[uuid.UUID]bool // classes of which something was heard
	woken chan struct{}
	done  chan struct{}
	once  sync.Once
}

// follows is whose lesson is followed, in which class.
type follows struct{ class, account uuid.UUID }

// follower is one stream. What it is to be told last waits in next; older moments are dropped.
type follower struct {
	of   follows
	next chan wire.Moment
}

func newHub(s *store.Store) *hub {
	return &hub{store: s, all: map[follows]map[*follower]bool{}, dirty: map[uuid.UUID]bool{}, woken: make(chan struct{}, 1), done: make(chan struct{})}
}

// run hears and tells until the context ends; then all streams end.
func (h *hub) run(ctx context.Context) {
	go h.store.Listen(ctx, h.hear)
	for {
		select {
		case <-ctx.Done():
			h.end()
			return
		case <-h.woken:
			h.tellAll(ctx)
		}
	}
}

// end ends all streams.
func (h *hub) end() { h.once.Do(func() { close(h.done) }) }

// hear notes what has changed.
func (h *hub) hear(changed store.Heard) {
	h.lock.Lock()
	for of := range h.all {
		if changed.Class == uuid.Nil || changed.Class == of.class {
			h.dirty[of.class] = true
		}
	}
	h.lock.Unlock()
	select {
	case h.woken <- struct{}{}:
	default:
	}
}

// tellAll reads where the lessons of the classes stand of which something was heard, and tells.
func (h *hub) tellAll(ctx context.Context) {
	h.lock.Lock()
	dirty := h.dirty
	h.dirty = map[uuid.UUID]bool{}
	accounts := map[uuid.UUID][]uuid.UUID{}
	for of := range h.all {
		if dirty[of.class] {
			accounts[of.class] = append(accounts[of.class], of.account)
		}
	}
	h.lock.Unlock()
	for class, of := range accounts {
		within, done := context.WithTimeout(ctx, momentsWithin)
		list, err := h.store.Moments(within, class, of)
		done()
		if err != nil {
			slog.Debug("where lessons stand could not be read", "error", err)
			time.AfterFunc(tellAgain, func() { h.hear(store.Heard{Class: class}) })
			continue
		}
		for _, m := range list {
			h.tell(follows{class, m.AccountID}, momentOf(m))
		}
	}
}

// tell hands a moment to all who follow somebody's lesson.
func (h *hub) tell(of follows, m wire.Moment) {
	h.lock.Lock()
	defer h.lock.Unlock()
	for f := range h.all[of] {
		select {
		case <-f.next: // an older one, that nobody has taken
		default:
		}
		f.next <- m
	}
}

// momentOf makes what a screen is told.
func momentOf(m store.Moment) wire.Moment {
	var round lesson.Round
	_ = json.Unmarshal(m.Round, &round) // of a lesson that is not for the whole class there is none
	return wire.Moment{Lesson: m.LessonID.String(), Revision: m.Revision, Nth: m.Nth, At: m.Position, Stand: string(m.Stand), Material: string(m.Material), Pace: string(round.Pace), Shown: round.Shown, Rounds: m.Rounds}
}

// join adds a follower; false where there are too many.
func (h *hub) join(of follows) (*follower, bool) {
	h.lock.Lock()
	defer h.lock.Unlock()
	if h.count >= mostFollowers || len(h.all[of]) >= mostOfAccount {
		return nil, false
	}
	f := &follower{of, make(chan wire.Moment, 1)}
	if h.all[of] == nil {
		h.all[of] = map[*follower]bool{}
	}
	h.all[of][f] = true
	h.count++
	return f, true
}

func (h *hub) leave(f *follower) {
	h.lock.Lock()
	defer h.lock.Unlock()
	delete(h.all[f.of], f)
	if len(h.all[f.of]) == 0 {
		delete(h.all, f.of)
	}
	h.count--
}

// moment is where the lesson in an account's hand stands; the zero value for none.
func (s *Server) moment(ctx context.Context, of follows) (wire.Moment, error) {
	list, err := s.store.Moments(ctx, of.class, []uuid.UUID{of.account})
	if err != nil || len(list) == 0 {
		return wire.Moment{}, err
	}
	return momentOf(list[0]), nil
}

// follow streams where the lesson in the caller's own hand stands, for its other devices.
func (s *Server) follow(c *call) error {
	key, account, class := keyOf(secretOf(c, sessionCookie)), c.account.ID, c.class.ID
	return s.stream(c.Ctx, follows{class, account}, func(ctx context.Context) bool {
		_, in := s.store.LoggedIn(ctx, key)
		_, _, member := s.store.ClassAs(ctx, account, class)
		return errors.Is(in, store.ErrNone) || errors.Is(member, store.ErrNone)
	})
}

// stream answers an event stream: where the lesson stands at once and after each change, and
// a heartbeat in between. Until ends it where it tells that the stream may go on no longer.
func (s *Server) stream(c fiber.Ctx, of follows, until func(context.Context) bool) error {
	f, room := s.hub.join(of)
	if !room {
		c.Set(fiber.HeaderRetryAfter, retrySeconds)
		return refuse(fiber.StatusServiceUnavailable, "Too many screens follow this lesson", "Close some of them.")
	}
	first, err := s.moment(c.Context(), of)
	if err != nil {
		s.hub.leave(f)
		return err
	}
	c.Set(fiber.HeaderContentType, "text/event-stream")
	c.Set(fiber.HeaderCacheControl, "no-store")
	c.Set("X-Accel-Buffering", "no") // a proxy hands it on at once
	conn := c.RequestCtx().Conn()
	c.RequestCtx().SetConnectionClose()
	return c.SendStreamWriter(func(w *bufio.Writer) {
		defer s.hub.leave(f)
		beat := time.NewTicker(heartbeatEvery)
		defer beat.Stop()
		say := func(text string) bool {
			_ = conn.SetWriteDeadline(time.Now().Add(streamWithin))
			_, err := w.WriteString(text)
			return err == nil && w.Flush() == nil
		}
		for open := say(eventOf(first)); open; {
			select {
			case <-s.hub.done:
				return
			case m := <-f.next:
				open = say(eventOf(m))
			case <-beat.C:
				ctx, done := context.WithTimeout(context.Background(), momentsWithin)
				ended := until(ctx)
				if done(); ended {
					return
				}
				open = say(": here\n\n")
			}
		}
	})
}

// eventOf writes a moment as an event.
func eventOf(m wire.Moment) string {
	text, err := json.Marshal(m)
	if err != nil {
		return ""
	}
	return fmt.Sprintf("event: moment\ndata: %s\n\n", text)
}
