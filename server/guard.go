package server

import (
	"context"
	"net"
	"net/netip"
	"net/url"
	"strings"
	"time"

	"github.com/gofiber/fiber/v3"
)

// Limits of requests. Bodies are read when it is known who sends them, how long they
// are and of which type: see read.
const (
	mostBody      = 128 << 10 // of somebody who is logged in
	mostFromAny   = 4 << 10   // of anybody
	mostHeader    = 16 << 10
	readWithin    = 20 * time.Second // a request, from its first byte to its last
	writeWithin   = 60 * time.Second
	idleWithin    = 2 * time.Minute
	answerWithin  = 30 * time.Second // all that is done for one request
	readyWithin   = 900 * time.Millisecond
	mostAtOnce    = 4_096 // connections
	retrySeconds  = "2"
	strictSeconds = "31536000" // a year
)

// bounded gives what is done for a request an end.
func bounded(c fiber.Ctx) error {
	ctx, done := context.WithTimeout(c.Context(), answerWithin)
	defer done()
	c.SetContext(ctx)
	return c.Next()
}

// prefetched is how much of a body lies in memory before the handler begins; the
// framework reads no more by itself.
const prefetched = 8 << 10

// wasRead is where read notes that it has read the body.
const wasRead = "the body was read"

// measured refuses a body by what its header says, before any of it is read: one that
// is packed, of no length or too long, or no JSON. Where a body was not read to its
// end the connection ends with the answer: what follows is no request.
func measured(c fiber.Ctx) error {
	header := &c.Request().Header
	length := header.ContentLength()
	bodiless := c.Method() == fiber.MethodGet || c.Method() == fiber.MethodHead || c.Method() == fiber.MethodOptions
	if length == 0 || length < 0 && bodiless && len(header.Peek(fiber.HeaderTransferEncoding)) == 0 {
		return c.Next()
	}
	refused := func(status int, title, remedy string) error {
		unread(c)
		return answer(c, refuse(status, title, remedy))
	}
	kind, _, _ := strings.Cut(string(header.ContentType()), ";")
	switch {
	case bodiless:
		return refused(fiber.StatusBadRequest, "A request that only reads cannot carry anything", "Leave the body out.")
	case len(header.Peek(fiber.HeaderContentEncoding)) > 0:
		return refused(fiber.StatusUnsupportedMediaType, "Compressed requests are not read", "Send it as it is, without a content encoding.")
	case length < 0:
		return refused(fiber.StatusLengthRequired, "The length of the request is missing", "Send it with its length.")
	case length > mostBody:
		return refused(fiber.StatusRequestEntityTooLarge, "This is too much at once", "Send less than 128 kilobytes.")
	case !strings.EqualFold(strings.TrimSpace(kind), fiber.MIMEApplicationJSON):
		return refused(fiber.StatusUnsupportedMediaType, "Only JSON is read here", "Send it as application/json.")
	}
	err := c.Next()
	if length > prefetched && c.Locals(wasRead) == nil {
		unread(c)
	}
	return err
}

// short refuses what is too long for anybody who is not logged in.
func short(c fiber.Ctx) error {
	if c.Request().Header.ContentLength() > mostFromAny {
		return answer(c, refuse(fiber.StatusRequestEntityTooLarge, "This is too much at once", "An email and a password are shorter."))
	}
	return c.Next()
}

// sameSite refuses writes that another site's page makes a browser send. A program
// that is no browser says nothing of where it comes from.
func (s *Server) sameSite(c fiber.Ctx) error {
	if c.Method() == fiber.MethodGet || c.Method() == fiber.MethodHead {
		return c.Next()
	}
	site, origin := c.Get("Sec-Fetch-Site"), c.Get(fiber.HeaderOrigin)
	from, err := url.Parse(origin)
	ours := origin == "" || origin == s.origin || err == nil && from.Host != "" && from.Host == c.Get(fiber.HeaderHost)
	if !ours || site != "" && site != "same-origin" && site != "none" && (origin == "" || origin != s.origin) {
		return answer(c, wrongToken())
	}
	return c.Next()
}

// headers that every answer has.
func (s *Server) headers(c fiber.Ctx) error {
	if strings.HasPrefix(s.origin, "https:") {
		c.Set(fiber.HeaderStrictTransportSecurity, "max-age="+strictSeconds)
	}
	return c.Next()
}

// sender is the address that a request comes from. What a proxy says of it counts
// only where the proxy is one of ours: from the last address on, the first that is
// not. Of an IPv6 address the network counts, which is one household.
func (s *Server) sender(c fiber.Ctx) string {
	at := addressOf(c.RequestCtx().RemoteIP())
	if s.trusts(at) {
		hops := strings.Split(c.Get(fiber.HeaderXForwardedFor), ",")
		for i := len(hops) - 1; i >= 0; i-- {
			hop, err := netip.ParseAddr(strings.TrimSpace(hops[i]))
			if err != nil {
				break
			}
			if at = hop.Unmap().WithZone(""); !s.trusts(at) {
				break
			}
		}
	}
	if at.Is6() {
		if network, err := at.Prefix(64); err == nil {
			return network.String()
		}
	}
	return at.String()
}

func addressOf(ip net.IP) netip.Addr {
	at, _ := netip.AddrFromSlice(ip)
	return at.Unmap()
}

func (s *Server) trusts(at netip.Addr) bool {
	for _, network := range s.proxies {
		if network.Contains(at) {
			return true
		}
	}
	return false
}
