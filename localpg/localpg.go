// Package localpg starts and stops a private PostgreSQL on loopback, for the
// demo school and for tests. It needs the server's programs on the machine and
// the standard library, nothing else.
package localpg

import (
	"context"
	"crypto/rand"
	"encoding/hex"
	"errors"
	"fmt"
	"net"
	"net/url"
	"os"
	"os/exec"
	"os/user"
	"path/filepath"
	"runtime"
	"slices"
	"strconv"
	"strings"
	"syscall"
	"time"
)

// superuser is the one role of a private cluster.
const superuser = "vineswap"

// Names within the state directory.
const (
	dataName     = "data"
	passwordName = "password"
	logName      = "postgres.log"
	readyName    = "made" // written once the cluster is complete
)

// ErrMissing is returned where PostgreSQL's server is not installed.
var ErrMissing = errors.New("PostgreSQL's server is not installed (Debian: apt-get install postgresql)")

// Options say where a cluster lives and how careful it is.
type Options struct {
	Dir        string // the state directory; made where it does not exist
	Throwaway  bool   // for tests: nothing is written through to the disk
	StartLimit time.Duration
	Port       int // of loopback; 0 for a free one
}

// Server is a running cluster.
type Server struct {
	dir, password string
	port          int
	process       *os.Process
	ended         chan struct{}
	err           error
}

// Start makes the cluster in the state directory where there is none yet,
// starts it on a free port of 127.0.0.1 and waits until it answers. It never
// outlives this process. As root the server runs as the user postgres.
func Start(ctx context.Context, o Options) (*Server, error) {
	bin, err := findBin()
	if err != nil {
		return nil, err
	}
	if err := OwnDir(o.Dir); err != nil {
		return nil, err
	}
	as, err := runAs()
	if err != nil {
		return nil, err
	}
	s := &Server{dir: o.Dir, ended: make(chan struct{})}
	if err := s.ensureCluster(ctx, bin, as); err != nil {
		return nil, err
	}
	if err := s.clearStalePid(); err != nil {
		return nil, err
	}
	if err := s.run(bin, as, o); err != nil {
		return nil, err
	}
	limit := o.StartLimit
	if limit == 0 {
		limit = time.Minute
	}
	if err := s.waitReady(ctx, limit); err != nil {
		return nil, errors.Join(err, s.Stop())
	}
	return s, s.ensureDatabase(ctx, bin)
}

// URL is where the database with this name answers.
func (s *Server) URL(database string) string {
	u := url.URL{Scheme: "postgres", User: url.UserPassword(superuser, s.password), Host: s.address(), Path: "/" + database, RawQuery: "sslmode=disable"}
	return u.String()
}

// Database is the name of the database that every cluster has.
const Database = "vineswap"

func (s *Server) address() string { return net.JoinHostPort("127.0.0.1", strconv.Itoa(s.port)) }

// Ended is closed when the server has stopped, for whatever reason.
func (s *Server) Ended() <-chan struct{} { return s.ended }

// Log is the path of the server's log.
func (s *Server) Log() string { return s.path(logName) }

// Pid is the process id of the server.
func (s *Server) Pid() int { return s.process.Pid }

// Stop ends the server's connections, waits until all is written and it has
// stopped. It may be called again.
func (s *Server) Stop() error {
	for _, signal := range []os.Signal{syscall.SIGINT, syscall.SIGQUIT} {
		if err := s.process.Signal(signal); err != nil && !errors.Is(err, os.ErrProcessDone) {
			return fmt.Errorf("stopping PostgreSQL: %w", err)
		}
		select {
		case <-s.ended:
			return nil
		case <-time.After(20 * time.Second):
		}
	}
	return errors.New("PostgreSQL does not stop")
}

// findBin returns the folder of PostgreSQL's programs, newest version first.
func findBin() (string, error) {
	found, _ := filepath.Glob("/usr/lib/postgresql/*/bin/postgres")
	slices.SortFunc(found, func(a, b string) int { return version(b) - version(a) })
	if len(found) > 0 {
		return filepath.Dir(found[0]), nil
	}
	if path, err := exec.LookPath("postgres"); err == nil {
		return filepath.Dir(path), nil
	}
	return "", ErrMissing
}

func version(path string) int {
	n, _ := strconv.Atoi(filepath.Base(filepath.Dir(filepath.Dir(path))))
	return n
}

// OwnDir makes a directory that others may enter but not list, or checks that
// the one that is there is no link and belongs to who runs this.
func OwnDir(dir string) error {
	if err := os.MkdirAll(filepath.Dir(dir), 0o755); err != nil {
		return err
	}
	if err := os.Mkdir(dir, 0o711); err != nil && !errors.Is(err, os.ErrExist) {
		return err
	}
	info, err := os.Lstat(dir)
	if err != nil {
		return err
	}
	if stat, ok := info.Sys().(*syscall.Stat_t); !ok || !info.IsDir() || int(stat.Uid) != os.Getuid() {
		return fmt.Errorf("%s is not a directory of this user: remove it, or set another place for the state", dir)
	}
	return os.Chmod(dir, 0o711)
}

// runAs returns the user that the server runs as: postgres where this is root,
// which PostgreSQL refuses; nil for oneself.
func runAs() (*syscall.Credential, error) {
	if os.Getuid() != 0 {
		return nil, nil
	}
	u, err := user.Lookup("postgres")
	if err != nil {
		return nil, fmt.Errorf("%w: there is no user postgres", ErrMissing)
	}
	uid, errUID := strconv.ParseUint(u.Uid, 10, 32)
	gid, errGID := strconv.ParseUint(u.Gid, 10, 32)
	return &syscall.Credential{Uid: uint32(uid), Gid: uint32(gid)}, errors.Join(errUID, errGID)
}

func (s *Server) path(name string) string { return filepath.Join(s.dir, name) }

// ensureCluster runs initdb once. A half-made cluster, from a run that was cut
// off, is made again.
func (s *Server) ensureCluster(ctx context.Context, bin string, as *syscall.Credential) error {
	if password, err := os.ReadFile(s.path(passwordName)); err == nil && exists(s.path(readyName)) {
		s.password = string(password)
		return nil
	}
	if err := os.RemoveAll(s.path(dataName)); err != nil {
		return err
	}
	secret := make([]byte, 16)
	rand.Read(secret)
	s.password = hex.EncodeToString(secret)
	if err := os.WriteFile(s.path(passwordName), []byte(s.password), 0o600); err != nil {
		return err
	}
	if err := os.Mkdir(s.path(dataName), 0o700); err != nil {
		return err
	}
	handed := s.path("password-for-initdb")
	defer os.Remove(handed)
	if err := os.WriteFile(handed, []byte(s.password), 0o600); err != nil {
		return err
	}
	if as != nil {
		own := func(path string) error { return os.Chown(path, int(as.Uid), int(as.Gid)) }
		if err := errors.Join(own(s.path(dataName)), own(handed)); err != nil {
			return err
		}
	}
	cmd := exec.CommandContext(ctx, filepath.Join(bin, "initdb"), "--pgdata="+s.path(dataName), "--username="+superuser,
		"--auth=scram-sha-256", "--pwfile="+handed, "--encoding=UTF8", "--locale=C.UTF-8", "--no-sync", "--no-instructions")
	cmd.Dir, cmd.Env = "/", environment()
	cmd.SysProcAttr = &syscall.SysProcAttr{Credential: as}
	if out, err := cmd.CombinedOutput(); err != nil {
		return fmt.Errorf("making the database: %w: %s", err, strings.TrimSpace(string(out)))
	}
	return os.WriteFile(s.path(readyName), nil, 0o600)
}

// environment leaves out what would lead PostgreSQL's programs elsewhere.
func environment() []string {
	return slices.DeleteFunc(os.Environ(), func(v string) bool { return strings.HasPrefix(v, "PG") || strings.HasPrefix(v, "LC_") })
}

func exists(path string) bool {
	_, err := os.Stat(path)
	return err == nil
}

// clearStalePid waits for a server of this cluster that is on its way out, and
// removes the pid file of one that was killed, even where its process id has
// been given to another program.
func (s *Server) clearStalePid() error {
	file := filepath.Join(s.path(dataName), "postmaster.pid")
	for range 100 {
		text, err := os.ReadFile(file)
		if err != nil {
			return nil
		}
		first, _, _ := strings.Cut(string(text), "\n")
		cwd, err := os.Readlink("/proc/" + strings.TrimSpace(first) + "/cwd")
		if err != nil || cwd != s.path(dataName) {
			return os.Remove(file)
		}
		time.Sleep(100 * time.Millisecond)
	}
	return fmt.Errorf("a database still runs in %s", s.dir)
}

// run starts the server as a child that ends when this process ends: the
// kernel sends the signal when the thread that made the child is gone, so that
// thread is kept until the child has ended.
func (s *Server) run(bin string, as *syscall.Credential, o Options) error {
	if s.port = o.Port; s.port == 0 {
		port, err := freePort()
		if err != nil {
			return err
		}
		s.port = port
	}
	log, err := os.OpenFile(s.path(logName), os.O_CREATE|os.O_WRONLY|os.O_TRUNC, 0o600)
	if err != nil {
		return err
	}
	defer log.Close()
	args := []string{"-D", s.path(dataName), "-c", "listen_addresses=127.0.0.1", "-c", "port=" + strconv.Itoa(s.port), "-c", "unix_socket_directories=",
		"-c", "log_error_verbosity=terse"} // a violated key would be written with its value, a child's name
	if o.Throwaway {
		args = append(args, "-c", "fsync=off", "-c", "synchronous_commit=off", "-c", "full_page_writes=off")
	}
	cmd := exec.Command(filepath.Join(bin, "postgres"), args...)
	cmd.Dir, cmd.Env, cmd.Stdout, cmd.Stderr = "/", environment(), log, log
	cmd.SysProcAttr = &syscall.SysProcAttr{Credential: as, Setpgid: true, Pdeathsig: syscall.SIGINT}
	started := make(chan error)
	go func() {
		runtime.LockOSThread()
		err := cmd.Start()
		started <- err
		if err == nil {
			s.err = cmd.Wait()
			close(s.ended)
		}
	}()
	if err := <-started; err != nil {
		return fmt.Errorf("starting PostgreSQL: %w", err)
	}
	s.process = cmd.Process
	return nil
}

func freePort() (int, error) {
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		return 0, err
	}
	defer l.Close()
	return l.Addr().(*net.TCPAddr).Port, nil
}

// waitReady waits until the server says in its pid file that it is ready.
func (s *Server) waitReady(ctx context.Context, limit time.Duration) error {
	ctx, cancel := context.WithTimeout(ctx, limit)
	defer cancel()
	tick := time.NewTicker(30 * time.Millisecond)
	defer tick.Stop()
	for {
		text, err := os.ReadFile(filepath.Join(s.path(dataName), "postmaster.pid"))
		if lines := strings.Split(string(text), "\n"); err == nil && len(lines) > 7 && strings.TrimSpace(lines[7]) == "ready" {
			return nil
		}
		select {
		case <-tick.C:
		case <-s.ended:
			return fmt.Errorf("PostgreSQL stopped at once (%v): %s", s.err, s.lastLog())
		case <-ctx.Done():
			return fmt.Errorf("PostgreSQL does not start: %w: %s", ctx.Err(), s.lastLog())
		}
	}
}

func (s *Server) lastLog() string {
	text, _ := os.ReadFile(s.path(logName))
	lines := strings.Split(strings.TrimSpace(string(text)), "\n")
	return strings.Join(lines[max(0, len(lines)-4):], " | ")
}

// ensureDatabase creates the database after the cluster's first start.
func (s *Server) ensureDatabase(ctx context.Context, bin string) error {
	mark := s.path("database")
	if exists(mark) {
		return nil
	}
	cmd := exec.CommandContext(ctx, filepath.Join(bin, "createdb"), "--host=127.0.0.1", "--port="+strconv.Itoa(s.port), "--username="+superuser, Database)
	cmd.Env = append(environment(), "PGPASSWORD="+s.password)
	if out, err := cmd.CombinedOutput(); err != nil && !strings.Contains(string(out), "already exists") {
		return errors.Join(fmt.Errorf("creating the database: %w: %s", err, strings.TrimSpace(string(out))), s.Stop())
	}
	return os.WriteFile(mark, nil, 0o600)
}
