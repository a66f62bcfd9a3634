package main

import (
	"context"
	"crypto/sha256"
	"encoding/hex"
	"errors"
	"fmt"
	"io"
	"net"
	"os"
	"path/filepath"
	"strconv"
	"strings"
	"syscall"
	"time"

	"github.com/spf13/cobra"

	"vineswap/demo"
	"vineswap/localpg"
	"vineswap/server"
	"vineswap/store"
)

// Where the demo answers, and how many ports it tries from there on.
const (
	firstPort = 8420
	portsOn   = 50
)

// addressName is the file in which a running demo keeps its address, under the
// lock that it holds.
const addressName = "address"

// databaseName is the folder of the demo's database.
const databaseName = "postgres"

func demoCommand() *cobra.Command {
	var reset bool
	port := whole(firstPort)
	cmd := &cobra.Command{
		Use:   "demo",
		Short: "Serve the made-up school from a private database on loopback",
		RunE: func(cmd *cobra.Command, _ []string) error {
			cfg, err := readConfig()
			if err != nil {
				return err
			}
			cfg.Origin = "" // the demo stands behind no proxy
			dir, err := stateDir()
			if err != nil {
				return err
			}
			return runDemo(cmd.Context(), cmd.OutOrStdout(), dir, int(port), reset, cfg)
		},
	}
	cmd.Flags().BoolVar(&reset, "reset", false, "start afresh: the demo's data is deleted first")
	cmd.Flags().Var(&port, "port", "the first port to try")
	return cmd
}

// stateDir is where the demo keeps its database: outside the checkout, in a
// place that the database's own user can enter, one for each user and checkout.
func stateDir() (string, error) {
	if dir := os.Getenv("VINESWAP_STATE"); dir != "" {
		return filepath.Abs(dir)
	}
	here, err := os.Getwd()
	if err != nil {
		return "", err
	}
	sum := sha256.Sum256([]byte(here))
	return filepath.Join("/var/tmp", fmt.Sprintf("vineswap-%d-%s", os.Getuid(), hex.EncodeToString(sum[:6]))), nil
}

func runDemo(ctx context.Context, out io.Writer, dir string, port int, reset bool, cfg config) error {
	if err := localpg.OwnDir(dir); err != nil {
		return err
	}
	lock, err := lockDir(dir)
	if errors.Is(err, errRunning) {
		return tellRunning(out, dir, reset)
	}
	if err != nil {
		return err
	}
	defer lock.Close()
	// An address that a killed demo left behind must not be told as this one's.
	if err := os.RemoveAll(filepath.Join(dir, addressName)); err != nil {
		return err
	}
	if reset {
		if err := os.RemoveAll(filepath.Join(dir, databaseName)); err != nil {
			return err
		}
	}
	pg, err := localpg.Start(ctx, localpg.Options{Dir: filepath.Join(dir, databaseName)})
	if err != nil {
		return err
	}
	err = serveDemo(ctx, out, dir, port, pg, cfg)
	return errors.Join(err, pg.Stop())
}

func serveDemo(ctx context.Context, out io.Writer, dir string, port int, pg *localpg.Server, cfg config) error {
	s, err := store.Open(ctx, pg.URL(localpg.Database))
	if err != nil {
		return err
	}
	defer s.Close()
	if _, err := s.Migrate(ctx); err != nil {
		return err
	}
	if err := demo.Load(ctx, s, server.HashPassword, cfg.clock()()); err != nil {
		return err
	}
	l, err := listenFrom(port)
	if err != nil {
		return err
	}
	address := "http://" + l.Addr().String()
	if err := os.WriteFile(filepath.Join(dir, addressName), []byte(address), 0o600); err != nil {
		return err
	}
	defer os.Remove(filepath.Join(dir, addressName))
	tellAddress(out, address)
	ctx, cancel := context.WithCancel(ctx)
	defer cancel()
	go func() {
		select {
		case <-pg.Ended():
			cancel()
		case <-ctx.Done():
		}
	}()
	return serve(ctx, s, l, cfg)
}

func tellAddress(out io.Writer, address string) {
	fmt.Fprintf(out, "\n  Vine Swap is open at %s\n\n  Log in as\n", address)
	for _, l := range demo.Logins() {
		fmt.Fprintf(out, "    %-22s %s\n", l.Email, l.Does)
	}
	fmt.Fprintf(out, "  each with the password %s\n\n  Ctrl-C stops it, the database too.\n\n", demo.Password)
}

var errRunning = errors.New("the demo is already running")

// lockDir takes the lock of the state directory for as long as the file is
// open; the kernel lets it go when the process ends, however it ends.
func lockDir(dir string) (*os.File, error) {
	f, err := os.OpenFile(filepath.Join(dir, "lock"), os.O_CREATE|os.O_RDWR, 0o600)
	if err != nil {
		return nil, err
	}
	if err := syscall.Flock(int(f.Fd()), syscall.LOCK_EX|syscall.LOCK_NB); err != nil {
		f.Close()
		return nil, errRunning
	}
	return f, nil
}

// tellRunning prints where the demo that runs already answers, waiting a little
// for one that is just starting.
func tellRunning(out io.Writer, dir string, reset bool) error {
	if reset {
		return errors.New("the demo is running: stop it with Ctrl-C there, then start afresh")
	}
	for range 100 {
		if address, err := os.ReadFile(filepath.Join(dir, addressName)); err == nil && len(address) > 0 {
			fmt.Fprintf(out, "Vine Swap is already open, at %s\n", address)
			return nil
		}
		time.Sleep(100 * time.Millisecond)
	}
	return errors.New("another demo is just starting or stopping: try again in a moment")
}

// listenFrom listens on the first free port of loopback.
func listenFrom(port int) (net.Listener, error) {
	var last error
	for p := port; p < port+portsOn; p++ {
		l, err := net.Listen("tcp", net.JoinHostPort("127.0.0.1", strconv.Itoa(p)))
		if err == nil {
			return l, nil
		}
		last = err
		if !strings.Contains(err.Error(), "in use") {
			break
		}
	}
	return nil, fmt.Errorf("no free port from %d on: %w", port, last)
}
