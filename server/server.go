// Package server answers the screens: it decodes, authorises, calls the rules
// and the store, and encodes. It decides nothing of the job.
package server

import (
	"context"
	"errors"
	"io/fs"
	"log/slog"
	"net"
	"net/netip"
	"time"

	"github.com/gofiber/fiber/v3"
	"github.com/gofiber/fiber/v3/middleware/helmet"
	recovery "github.com/gofiber/fiber/v3/middleware/recover"
	"github.com/google/uuid"

	"vineswap/store"
)

// Options of a server.
type Options struct {
	Store   *store.Store
	Screens fs.FS            // the built screens
	Now     func() time.Time // time.Now where it is nil
	// Secure sets the cookies' secure flag: everywhere but on plain HTTP over
	// loopback.
	Secure bool
	// Origin is the address that browsers see where a proxy stands before the
	// server, such as https://vines.school.example; empty without one.
	Origin string
	// Beside are routes of a class beside our own: what ours are measured against.
	Beside []Beside
	// Proxies are the networks of the proxies that may say whom a request comes from.
	Proxies []netip.Prefix
}

// Beside is a route of a class that does one thing, behind the log-in and the role
// checks that all routes of a class have. It answers what do returns.
type Beside struct {
	Method, Path string
	Do           func(ctx context.Context, class uuid.UUID) (any, error)
}

// Limits of the server's own life.
const (
	sweepEvery = 10 * time.Minute
	stopWithin = 5 * time.Second
)

// policy lets the screens use what is shipped with them and nothing else.
const policy = "default-src 'none'; script-src 'self'; style-src 'self'; font-src 'self'; img-src 'self'; connect-src 'self'; manifest-src 'self'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'"

// Server is the application, ready to listen.
type Server struct {
	app      *fiber.App
	store    *store.Store
	now      func() time.Time
	secure   bool
	origin   string
	proxies  []netip.Prefix
	answers  *answers
	counting counting
	open     connections
	hub      *hub
}

// New builds the application.
func New(o Options) (*Server, error) {
	s := &Server{store: o.Store, now: o.Now, secure: o.Secure, origin: o.Origin, proxies: o.Proxies, answers: newAnswers(), counting: make(counting, 1), hub: newHub(o.Store)}
	if s.now == nil {
		s.now = time.Now
	}
	s.app = fiber.New(fiber.Config{
		AppName: "vineswap", ErrorHandler: answer, BodyLimit: mostBody, ReadBufferSize: mostHeader, Concurrency: mostAtOnce,
		ReadTimeout: readWithin, WriteTimeout: writeWithin, IdleTimeout: idleWithin,
		// The handler begins before the body is read, so that it can be refused unread.
		StreamRequestBody: true, DisablePreParseMultipartForm: true,
	})
	s.app.Server().ConnState = s.open.answered
	s.app.Use(logged, recovery.New(), helmet.New(helmet.Config{ContentSecurityPolicy: policy, XFrameOptions: "DENY", ReferrerPolicy: "same-origin"}), s.headers, bounded, measured)
	s.app.Get("/healthz", func(c fiber.Ctx) error { return c.JSON(fiber.Map{"status": "ok"}) })
	s.app.Get("/readyz", s.ready)
	api := s.app.Group("/api", noStore, s.sameSite)
	for _, b := range o.Beside {
		api.Add([]string{b.Method}, "/classes/:class"+b.Path, s.inClass(Route{Method: b.Method, Path: b.Path, Least: store.Viewer, handle: func(_ *Server, c *call) error {
			made, err := b.Do(c.Context(), c.class.ID)
			if err != nil {
				return err
			}
			return c.JSON(made)
		}}))
	}
	s.route(api)
	screens, err := newScreens(o.Screens)
	if err != nil {
		return nil, err
	}
	s.app.Use(screens.serve)
	return s, nil
}

// Serve answers on a listener until the context ends, then finishes what is
// under way and returns.
func (s *Server) Serve(ctx context.Context, l net.Listener) error {
	ctx, cancel := context.WithCancel(ctx)
	defer cancel()
	go s.sweep(ctx)
	go s.hub.run(ctx)
	ended := make(chan error, 1)
	go func() { ended <- s.app.Listener(listener{l, &s.open}, fiber.ListenConfig{DisableStartupMessage: true}) }()
	select {
	case err := <-ended:
		return err
	case <-ctx.Done():
	}
	s.hub.end()
	stop, done := context.WithTimeout(context.WithoutCancel(ctx), stopWithin)
	defer done()
	s.open.end()
	err := s.app.ShutdownWithContext(stop)
	if errors.Is(err, context.DeadlineExceeded) {
		slog.Warn("requests were still answered when the server stopped")
		return nil
	}
	return err
}

// sweep deletes expired sessions now and then.
func (s *Server) sweep(ctx context.Context) {
	tick := time.NewTicker(sweepEvery)
	defer tick.Stop()
	for {
		select {
		case <-ctx.Done():
			return
		case <-tick.C:
			once, done := context.WithTimeout(ctx, answerWithin)
			if _, err := s.store.Sweep(once); err != nil {
				slog.Error("sweeping sessions", "error", err)
			}
			done()
		}
	}
}

// logged writes one line for each request, with the route and not the path: a path
// can have the secret word of an invitation in it.
func logged(c fiber.Ctx) error {
	start := time.Now()
	err := c.Next()
	slog.Debug("request", "method", c.Method(), "route", c.Route().Path, "status", c.Response().StatusCode(), "took", time.Since(start))
	return err
}

func noStore(c fiber.Ctx) error {
	c.Set(fiber.HeaderCacheControl, "no-store")
	return c.Next()
}

// ready tells whether requests can be answered: the process and its database.
func (s *Server) ready(c fiber.Ctx) error {
	ctx, done := context.WithTimeout(c.Context(), readyWithin)
	defer done()
	if err := s.store.Ping(ctx); err != nil {
		return answer(c, err)
	}
	return c.JSON(fiber.Map{"status": "ready"})
}
