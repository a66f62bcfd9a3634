// Package server answers the screens: it decodes, authorises, calls the rules
// and the store, and encodes. It decides nothing of the job.
package server

import (
	"context"
	"errors"
	"io/fs"
	"log/slog"
	"net"
	"time"

	"github.com/gofiber/fiber/v3"
	"github.com/gofiber/fiber/v3/extractors"
	"github.com/gofiber/fiber/v3/middleware/csrf"
	"github.com/gofiber/fiber/v3/middleware/helmet"
	recovery "github.com/gofiber/fiber/v3/middleware/recover"
	"github.com/gofiber/fiber/v3/middleware/session"

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
}

// Limits of requests.
const (
	mostBody      = 1 << 20
	sessionLength = 12 * time.Hour
	sweepEvery    = 10 * time.Minute
	stopWithin    = 5 * time.Second
	sessionCookie = "vineswap_session"
	tokenCookie   = "vineswap_token"
)

// policy lets the screens use what is shipped with them and nothing else.
const policy = "default-src 'none'; script-src 'self'; style-src 'self'; font-src 'self'; img-src 'self'; connect-src 'self'; manifest-src 'self'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'"

// Server is the application, ready to listen.
type Server struct {
	app      *fiber.App
	store    *store.Store
	sessions *session.Store
	now      func() time.Time
}

// New builds the application.
func New(o Options) (*Server, error) {
	s := &Server{store: o.Store, now: o.Now}
	if s.now == nil {
		s.now = time.Now
	}
	s.app = fiber.New(fiber.Config{AppName: "vineswap", BodyLimit: mostBody, ErrorHandler: answer, ReadTimeout: 30 * time.Second, IdleTimeout: 2 * time.Minute})
	s.sessions = session.NewStore(session.Config{
		Storage: o.Store.Sessions(), Extractor: extractors.FromCookie(sessionCookie), IdleTimeout: sessionLength,
		CookieHTTPOnly: true, CookieSameSite: "Lax", CookieSecure: o.Secure, CookiePath: "/",
	})
	s.app.Use(logged, recovery.New(), helmet.New(helmet.Config{ContentSecurityPolicy: policy, XFrameOptions: "DENY", ReferrerPolicy: "same-origin"}))
	api := s.app.Group("/api")
	var trusted []string
	if o.Origin != "" {
		trusted = []string{o.Origin}
	}
	api.Use(noStore, csrf.New(csrf.Config{
		TrustedOrigins: trusted,
		Storage:        o.Store.Sessions(), CookieName: tokenCookie, CookieSameSite: "Lax", CookieSecure: o.Secure, CookiePath: "/",
		Extractor: extractors.FromHeader(csrf.HeaderName), IdleTimeout: sessionLength, ErrorHandler: refuseToken,
	}))
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
	ended := make(chan error, 1)
	go func() { ended <- s.app.Listener(l, fiber.ListenConfig{DisableStartupMessage: true}) }()
	select {
	case err := <-ended:
		return err
	case <-ctx.Done():
	}
	stop, done := context.WithTimeout(context.WithoutCancel(ctx), stopWithin)
	defer done()
	err := s.app.ShutdownWithContext(stop)
	if errors.Is(err, context.DeadlineExceeded) {
		// Browsers open connections ahead and may never use them: no request is cut.
		slog.Warn("connections were still open when the server stopped")
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
			if _, err := s.store.Sessions().Sweep(ctx); err != nil {
				slog.Error("sweeping sessions", "error", err)
			}
		}
	}
}

// logged writes one line for each request; paths carry ids and no names.
func logged(c fiber.Ctx) error {
	start := time.Now()
	err := c.Next()
	slog.Debug("request", "method", c.Method(), "path", c.Path(), "status", c.Response().StatusCode(), "took", time.Since(start))
	return err
}

func noStore(c fiber.Ctx) error {
	c.Set(fiber.HeaderCacheControl, "no-store")
	return c.Next()
}

func refuseToken(c fiber.Ctx, _ error) error {
	return answer(c, refuse(fiber.StatusForbidden, "This page is too old to send anything", "Try again, or reload the page.").of("token"))
}
