package pgtest

import (
	"io"
	"net"
	"net/url"
	"sync"
	"testing"
)

// Link is a way to a database that can be broken: what a network, or a database that
// is stopped or hangs, does to whoever uses it.
type Link struct {
	URL    string // of the database, over this way
	to     string
	listen net.Listener

	lock   sync.Mutex
	state  state
	change *sync.Cond
	open   map[net.Conn]bool
}

type state int

const (
	whole  state = iota
	cut          // connections are ended, and new ones too
	frozen       // nothing comes through, and nothing is refused
)

// Between opens a way to the database of a URL, for the length of a test.
func Between(t testing.TB, database string) *Link {
	t.Helper()
	u, err := url.Parse(database)
	if err != nil {
		t.Fatal(err)
	}
	l := &Link{to: u.Host, open: map[net.Conn]bool{}}
	l.change = sync.NewCond(&l.lock)
	if l.listen, err = net.Listen("tcp", "127.0.0.1:0"); err != nil {
		t.Fatal(err)
	}
	u.Host = l.listen.Addr().String()
	l.URL = u.String()
	go l.accept()
	t.Cleanup(func() {
		l.listen.Close()
		l.Cut()
	})
	return l
}

// Cut ends all connections, and every new one at once.
func (l *Link) Cut() { l.set(cut) }

// Freeze lets nothing through until Mend.
func (l *Link) Freeze() { l.set(frozen) }

// Mend lets everything through again.
func (l *Link) Mend() { l.set(whole) }

func (l *Link) set(s state) {
	l.lock.Lock()
	defer l.lock.Unlock()
	l.state = s
	if s == cut {
		for c := range l.open {
			c.Close()
		}
		clear(l.open)
	}
	l.change.Broadcast()
}

// waits waits while the way is frozen, and tells whether it is whole then.
func (l *Link) waits() bool {
	l.lock.Lock()
	defer l.lock.Unlock()
	for l.state == frozen {
		l.change.Wait()
	}
	return l.state == whole
}

func (l *Link) accept() {
	for {
		from, err := l.listen.Accept()
		if err != nil {
			return
		}
		go l.join(from)
	}
}

func (l *Link) join(from net.Conn) {
	defer from.Close()
	if !l.waits() {
		return
	}
	to, err := net.Dial("tcp", l.to)
	if err != nil {
		return
	}
	defer to.Close()
	l.lock.Lock()
	l.open[from], l.open[to] = true, true
	l.lock.Unlock()
	go l.pass(to, from)
	l.pass(from, to)
}

func (l *Link) pass(to, from net.Conn) {
	defer to.Close()
	part := make([]byte, 32<<10)
	for {
		n, err := from.Read(part)
		if n > 0 && (!l.waits() || wrote(to, part[:n]) != nil) || err != nil {
			return
		}
	}
}

func wrote(to io.Writer, part []byte) error {
	_, err := to.Write(part)
	return err
}
