package server

import (
	"io"
	"net"
	"sync"
	"time"

	"github.com/gofiber/fiber/v3"
	"github.com/valyala/fasthttp"
)

// connections are those that are open, and whether anything was asked on each that is
// not answered yet. Browsers open some ahead and may never use them: these end at once
// when the server does.
type connections struct {
	lock  sync.Mutex
	asked map[*connection]bool
	ended bool
}

// connection notes when something is asked on it.
type connection struct {
	net.Conn
	of      *connections
	lingers bool // somebody is still sending what is not read
}

// Whoever is still sending when the answer is there would lose it if the connection
// ended at once: so much is thrown away, and for so long.
const (
	lingerFor  = 500 * time.Millisecond
	lingerMost = 1 << 20
)

// unread says that the rest of a request's body will not be read: the connection ends
// with the answer, so that what follows is not taken for a request.
func unread(c fiber.Ctx) {
	c.RequestCtx().SetConnectionClose()
	if conn, ours := c.RequestCtx().Conn().(*connection); ours {
		conn.lingers = true
	}
}

// listener hands out connections that are noted.
type listener struct {
	net.Listener
	of *connections
}

func (l listener) Accept() (net.Conn, error) {
	conn, err := l.Listener.Accept()
	if err != nil {
		return nil, err
	}
	c := &connection{Conn: conn, of: l.of}
	l.of.note(c, false)
	return c, nil
}

func (c *connection) Read(part []byte) (int, error) {
	n, err := c.Conn.Read(part)
	if n > 0 {
		c.of.note(c, true)
	}
	return n, err
}

func (c *connection) Close() error {
	c.of.lock.Lock()
	delete(c.of.asked, c)
	c.of.lock.Unlock()
	if tcp, ours := c.Conn.(*net.TCPConn); ours && c.lingers && tcp.CloseWrite() == nil {
		_ = tcp.SetReadDeadline(time.Now().Add(lingerFor))
		_, _ = io.CopyN(io.Discard, tcp, lingerMost)
	}
	return c.Conn.Close()
}

func (o *connections) note(c *connection, asked bool) {
	o.lock.Lock()
	defer o.lock.Unlock()
	if o.asked == nil {
		o.asked = map[*connection]bool{}
	}
	if o.ended && !asked {
		c.Conn.Close()
		return
	}
	o.asked[c] = asked
}

// answered is told by the framework what a connection does.
func (o *connections) answered(conn net.Conn, state fasthttp.ConnState) {
	if c, ours := conn.(*connection); ours && state == fasthttp.StateIdle {
		o.note(c, false)
	}
}

// end closes all connections on which nothing is asked.
func (o *connections) end() {
	o.lock.Lock()
	defer o.lock.Unlock()
	o.ended = true
	for c, asked := range o.asked {
		if !asked {
			c.Conn.Close()
		}
	}
}
