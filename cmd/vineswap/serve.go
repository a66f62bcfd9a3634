package main

import (
	"context"
	"errors"
	"fmt"
	"log/slog"
	"net"
	"net/netip"
	"net/url"
	"os"
	"strings"
	"time"

	"github.com/caarlos0/env/v11"
	"github.com/spf13/cobra"

	"vineswap/server"
	"vineswap/store"
	"vineswap/ui"
)

// config is read from the environment.
type config struct {
	Database string `env:"VINESWAP_DATABASE"`
	Address  string `env:"VINESWAP_ADDRESS" envDefault:"127.0.0.1:8420"`
	Origin   string `env:"VINESWAP_ORIGIN"` // what browsers see through a proxy
	// Proxies are the addresses, or networks, of the proxies that stand before the
	// server: what they say of whom a request comes from is believed.
	Proxies []string `env:"VINESWAP_PROXIES"`
	Debug   bool     `env:"VINESWAP_DEBUG"`
	// Clock is the instant that the server takes for now when it starts, for
	// trials of what changes from day to day; empty for the real one.
	Clock string `env:"VINESWAP_CLOCK"`
}

// clock returns what the server takes for now.
func (c config) clock() func() time.Time {
	from, err := time.Parse(time.RFC3339, c.Clock)
	if err != nil { // checked when it was read
		return time.Now
	}
	ahead := time.Until(from)
	return func() time.Time { return time.Now().Add(ahead) }
}

// networks are those of the proxies.
func (c config) networks() ([]netip.Prefix, error) {
	var list []netip.Prefix
	for _, text := range c.Proxies {
		network, err := netip.ParsePrefix(strings.TrimSpace(text))
		if at, one := netip.ParseAddr(strings.TrimSpace(text)); err != nil && one == nil {
			network, err = at.Prefix(at.BitLen())
		}
		if err != nil {
			return nil, fmt.Errorf("VINESWAP_PROXIES: %q is neither an address such as 10.0.0.7 nor a network such as 10.0.0.0/24", text)
		}
		list = append(list, network)
	}
	return list, nil
}

func readConfig() (config, error) {
	cfg, err := env.ParseAs[config]()
	if err != nil {
		return cfg, usageError{err}
	}
	if u, err := url.Parse(cfg.Origin); err != nil || cfg.Origin != "" && (u.Host == "" || strings.Contains(u.Host, "*") || u.Scheme+"://"+u.Host != cfg.Origin || u.Scheme != "https" && u.Scheme != "http") {
		return cfg, usageError{fmt.Errorf("VINESWAP_ORIGIN %q is not an origin such as https://vines.school.example", cfg.Origin)}
	}
	if _, err := cfg.networks(); err != nil {
		return cfg, usageError{err}
	}
	if _, _, err := net.SplitHostPort(cfg.Address); err != nil {
		return cfg, usageError{fmt.Errorf("VINESWAP_ADDRESS %q is not an address such as 127.0.0.1:8420", cfg.Address)}
	}
	if _, err := time.Parse(time.RFC3339, cfg.Clock); cfg.Clock != "" && err != nil {
		return cfg, usageError{fmt.Errorf("VINESWAP_CLOCK %q is not a time such as 2026-11-25T08:30:00Z", cfg.Clock)}
	}
	level := slog.LevelInfo
	if cfg.Debug {
		level = slog.LevelDebug
	}
	slog.SetDefault(slog.New(slog.NewTextHandler(os.Stderr, &slog.HandlerOptions{Level: level})))
	return cfg, nil
}

// withStore opens the store that the configuration names, migrated.
func withStore(ctx context.Context, do func(config, *store.Store) error) error {
	cfg, err := readConfig()
	if err != nil {
		return err
	}
	if cfg.Database == "" {
		return usageError{errors.New("set VINESWAP_DATABASE to the URL of a PostgreSQL database")}
	}
	s, err := opened(ctx, cfg.Database)
	if err != nil {
		return err
	}
	defer s.Close()
	return do(cfg, s)
}

// How long a database that is still starting is waited for, and how often it is
// asked.
const (
	waitFor  = 2 * time.Minute
	askEvery = 500 * time.Millisecond
)

// opened opens the store, migrated, once the database answers.
func opened(ctx context.Context, database string) (*store.Store, error) {
	until := time.Now().Add(waitFor)
	for said := false; ; {
		s, err := store.Open(ctx, database)
		if err == nil {
			if _, err = s.Migrate(ctx); err == nil {
				return s, nil
			}
			s.Close()
		}
		if ctx.Err() != nil || !store.Unavailable(err) || store.Refused(err) || time.Now().After(until) {
			return nil, err
		}
		if !said {
			slog.Warn("the database does not answer yet: waiting for it", "error", err)
			said = true
		}
		select {
		case <-time.After(askEvery):
		case <-ctx.Done():
			return nil, ctx.Err()
		}
	}
}

func serveCommand() *cobra.Command {
	return &cobra.Command{
		Use:   "serve",
		Short: "Serve the application on VINESWAP_ADDRESS from VINESWAP_DATABASE",
		Args:  func(c *cobra.Command, args []string) error { return exactly(0, "serve takes no arguments")(c, args) },
		RunE: func(cmd *cobra.Command, _ []string) error {
			return withStore(cmd.Context(), func(cfg config, s *store.Store) error {
				l, err := net.Listen("tcp", cfg.Address)
				if err != nil {
					return fmt.Errorf("listening: %w", err)
				}
				fmt.Fprintf(cmd.OutOrStdout(), "Vine Swap answers on %s\n", l.Addr())
				return serve(cmd.Context(), s, l, cfg)
			})
		},
	}
}

// serve runs the application on a listener until the context ends. Plain HTTP
// is meant for loopback; for anywhere else a proxy speaks TLS before it at the
// given origin, and the cookies are secure.
func serve(ctx context.Context, s *store.Store, l net.Listener, cfg config) error {
	screens, err := ui.Screens()
	if err != nil {
		return err
	}
	networks, err := cfg.networks()
	if err != nil {
		return err
	}
	srv, err := server.New(server.Options{Store: s, Screens: screens, Now: cfg.clock(), Proxies: networks, Secure: !onLoopback(l.Addr()) || strings.HasPrefix(cfg.Origin, "https:"), Origin: cfg.Origin})
	if err != nil {
		return err
	}
	return srv.Serve(ctx, l)
}

func onLoopback(a net.Addr) bool {
	tcp, ok := a.(*net.TCPAddr)
	return ok && tcp.IP.IsLoopback()
}

func migrateCommand() *cobra.Command {
	return &cobra.Command{
		Use:   "migrate",
		Short: "Bring the schema of VINESWAP_DATABASE up to date",
		RunE: func(cmd *cobra.Command, _ []string) error {
			return withStore(cmd.Context(), func(config, *store.Store) error {
				_, err := fmt.Fprintln(cmd.OutOrStdout(), "The schema is up to date.")
				return err
			})
		},
	}
}

func rejudgeCommand() *cobra.Command {
	return &cobra.Command{
		Use:   "rejudge",
		Short: "Judge every learner of VINESWAP_DATABASE again from the records",
		Args:  func(c *cobra.Command, args []string) error { return exactly(0, "rejudge takes no arguments")(c, args) },
		RunE: func(cmd *cobra.Command, _ []string) error {
			return withStore(cmd.Context(), func(_ config, s *store.Store) error {
				n, err := s.Rejudge(cmd.Context())
				if err != nil {
					return err
				}
				_, err = fmt.Fprintf(cmd.OutOrStdout(), "Judged %d learners again.\n", n)
				return err
			})
		},
	}
}

// clean is a typed name or email without spaces around it.
func clean(text string) string { return strings.TrimSpace(text) }
