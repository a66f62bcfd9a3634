// Package rig runs the real server beside a private PostgreSQL, as processes that can be
// killed, for the commands that attack and break them. Everything is on loopback and
// ends with Close.
package rig

import (
	"bytes"
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"net"
	"net/http"
	"net/http/cookiejar"
	"os"
	"os/exec"
	"os/signal"
	"strconv"
	"strings"
	"sync"
	"syscall"
	"time"

	"github.com/google/uuid"

	"vineswap/core/setting"
	"vineswap/figures"
	"vineswap/localpg"
	"vineswap/server"
	"vineswap/store"
)

// Binary is the program that is run, from the root of the checkout.
const Binary = "bin/vineswap"

// Password is that of all accounts.
const Password = "plums-and-honey"

// Measure runs something with a rig until it ends or is interrupted, and keeps what it
// measured under the name of its command. It is all that such a command does.
func Measure(command string, do func(context.Context, *Rig) (text string, err error)) {
	ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt)
	defer stop()
	text, err := measured(ctx, do)
	if err == nil {
		fmt.Println(text)
		err = figures.Keep(command, text)
	}
	if err != nil {
		fmt.Fprintf(os.Stderr, "%s: %v\n", command, err)
		os.Exit(1)
	}
}

func measured(ctx context.Context, do func(context.Context, *Rig) (string, error)) (string, error) {
	r, err := Open(ctx)
	if err != nil {
		return "", err
	}
	defer r.Close()
	return do(ctx, r)
}

// Rig is a server and its database.
type Rig struct {
	URL    string // of the server
	Store  *store.Store
	Class  store.Class
	Lead   store.Account
	dir    string
	port   int // of the database
	env    []string
	lock   sync.Mutex
	pg     *localpg.Server
	server *exec.Cmd
	ended  chan struct{}
}

// Open starts a database and a server on it, with one class and its lead; env is added
// to the server's environment.
func Open(ctx context.Context, env ...string) (*Rig, error) {
	dir, err := os.MkdirTemp("/var/tmp", "vineswap-rig-")
	if err != nil {
		return nil, err
	}
	r := &Rig{dir: dir, env: env}
	if err := r.open(ctx); err != nil {
		r.Close()
		return nil, err
	}
	return r, nil
}

func (r *Rig) open(ctx context.Context) error {
	var err error
	if r.port, err = freePort(); err != nil {
		return err
	}
	if err := r.StartDatabase(ctx); err != nil {
		return err
	}
	if r.Store, err = store.Open(ctx, r.pg.URL(localpg.Database)); err != nil {
		return err
	}
	if _, err := r.Store.Migrate(ctx); err != nil {
		return err
	}
	if err := r.people(ctx); err != nil {
		return err
	}
	port, err := freePort()
	if err != nil {
		return err
	}
	r.URL = "http://127.0.0.1:" + strconv.Itoa(port)
	return r.StartServer()
}

func (r *Rig) people(ctx context.Context) error {
	hash, err := server.HashPassword(Password)
	if err != nil {
		return err
	}
	r.Lead = store.Account{ID: uuid.New(), Email: "lead@vineswap.test", Name: "Lead", Password: hash}
	r.Class = store.Class{ID: uuid.New(), Name: "Orchard room", Zone: "UTC", Settings: setting.Default()}
	return r.Store.AddAccountWithClass(ctx, r.Lead, r.Class)
}

func freePort() (int, error) {
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		return 0, err
	}
	defer l.Close()
	return l.Addr().(*net.TCPAddr).Port, nil
}

// StartDatabase starts the database, also on what a killed one has left.
func (r *Rig) StartDatabase(ctx context.Context) error {
	var err error
	for range 100 { // those whom a killed one has left are on their way out
		var pg *localpg.Server
		if pg, err = localpg.Start(ctx, localpg.Options{Dir: r.dir, Port: r.port}); err == nil {
			r.pg = pg
			return nil
		}
		time.Sleep(100 * time.Millisecond)
	}
	return err
}

// KillDatabase ends the database as a power cut does.
func (r *Rig) KillDatabase() error {
	err := syscall.Kill(r.pg.Pid(), syscall.SIGKILL)
	<-r.pg.Ended()
	return err
}

// StartServer starts the server; it does not wait until it answers.
func (r *Rig) StartServer() error {
	cmd := exec.Command(Binary, "serve")
	cmd.Env = append(os.Environ(), "VINESWAP_DATABASE="+r.pg.URL(localpg.Database), "VINESWAP_ADDRESS="+strings.TrimPrefix(r.URL, "http://"))
	cmd.Env = append(cmd.Env, r.env...)
	log, err := os.OpenFile(r.dir+"/server.log", os.O_CREATE|os.O_APPEND|os.O_WRONLY, 0o600)
	if err != nil {
		return err
	}
	defer log.Close()
	cmd.Stdout, cmd.Stderr = log, log
	cmd.SysProcAttr = &syscall.SysProcAttr{Setpgid: true}
	if err := cmd.Start(); err != nil {
		return fmt.Errorf("starting %s (run make build first): %w", Binary, err)
	}
	ended := make(chan struct{})
	go func() { _ = cmd.Wait(); close(ended) }()
	r.lock.Lock()
	r.server, r.ended = cmd, ended
	r.lock.Unlock()
	return nil
}

// KillServer ends the server without a word.
func (r *Rig) KillServer() error {
	err := r.server.Process.Kill()
	<-r.ended
	return err
}

// Answers waits until the server is ready, at most so long.
func (r *Rig) Answers(within time.Duration) error {
	client := http.Client{Timeout: time.Second}
	for until := time.Now().Add(within); time.Now().Before(until); time.Sleep(10 * time.Millisecond) {
		res, err := client.Get(r.URL + "/readyz")
		if err == nil {
			res.Body.Close()
			if res.StatusCode == http.StatusOK {
				return nil
			}
		}
	}
	log, _ := os.ReadFile(r.dir + "/server.log")
	return fmt.Errorf("the server does not answer within %v: %s", within, log[max(0, len(log)-600):])
}

// Memory is how much memory the server takes now and took at most, in bytes.
func (r *Rig) Memory() (now, most int) {
	status, err := os.ReadFile(fmt.Sprintf("/proc/%d/status", r.server.Process.Pid))
	if err != nil {
		return 0, 0
	}
	read := func(name string) int {
		_, rest, _ := strings.Cut(string(status), name)
		n, _ := strconv.Atoi(strings.Fields(rest)[0])
		return n << 10
	}
	return read("VmRSS:"), read("VmHWM:")
}

// Log is what the server has written so far.
func (r *Rig) Log() string {
	text, _ := os.ReadFile(r.dir + "/server.log")
	return string(text)
}

// Close ends both and removes what they wrote.
func (r *Rig) Close() error {
	var errs []error
	if r.server != nil {
		_ = r.KillServer()
	}
	if r.Store != nil {
		errs = append(errs, r.Store.Close())
	}
	if r.pg != nil {
		errs = append(errs, r.pg.Stop())
	}
	return errors.Join(append(errs, os.RemoveAll(r.dir))...)
}

// Person is a client of the server with cookies of its own.
type Person struct {
	url    string
	Client *http.Client
}

// Person makes a client that is not logged in.
func (r *Rig) Person() (*Person, error) {
	jar, err := cookiejar.New(nil)
	return &Person{r.URL, &http.Client{Jar: jar, Timeout: 45 * time.Second}}, err
}

// LogIn logs the client in as the lead.
func (p *Person) LogIn() error {
	status, body, err := p.Send("POST", "/api/login", map[string]string{"email": "lead@vineswap.test", "password": Password})
	if err == nil && status != http.StatusOK {
		err = fmt.Errorf("logging in: %d %s", status, body)
	}
	return err
}

// Send sends a request as a browser's page does.
func (p *Person) Send(method, path string, body any) (status int, answer []byte, err error) {
	text, err := json.Marshal(body)
	if err != nil {
		return 0, nil, err
	}
	var sent io.Reader
	if body != nil {
		sent = bytes.NewReader(text)
	}
	req, err := http.NewRequest(method, p.url+path, sent)
	if err != nil {
		return 0, nil, err
	}
	req.Header.Set("Content-Type", "application/json")
	for _, c := range p.Client.Jar.Cookies(req.URL) {
		if c.Name == "vineswap_token" {
			req.Header.Set("X-Csrf-Token", c.Value)
		}
	}
	res, err := p.Client.Do(req)
	if err != nil {
		return 0, nil, err
	}
	defer res.Body.Close()
	answer, err = io.ReadAll(res.Body)
	return res.StatusCode, answer, err
}
