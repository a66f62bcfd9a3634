package server

import (
	"crypto/hmac"
	"crypto/rand"
	"crypto/sha256"
	"encoding/base64"
	"encoding/hex"
	"errors"
	"log/slog"
	"strings"
	"time"

	"github.com/gofiber/fiber/v3"

	"vineswap/store"
)

// Cookies. The session's secret is random and kept nowhere: the store has its hash.
// The token that a write must bring in a header is worked out from the secret, so
// that it changes with every log-in and costs no row. The device's secret stays for a
// year, so that whoever tries passwords elsewhere cannot lock this device out.
const (
	sessionCookie = "vineswap_session"
	tokenCookie   = "vineswap_token"
	deviceCookie  = "vineswap_device"
	tokenHeader   = "X-Csrf-Token"

	sessionLasts = 12 * time.Hour
	touchAfter   = 10 * time.Minute
	deviceLasts  = 365 * 24 * time.Hour
	secretLength = 43 // 32 bytes in base64
)

func newSecret() string {
	secret := make([]byte, 32)
	rand.Read(secret)
	return base64.RawURLEncoding.EncodeToString(secret)
}

// keyOf is what is kept of a secret.
func keyOf(secret string) string {
	sum := sha256.Sum256([]byte(secret))
	return hex.EncodeToString(sum[:])
}

// tokenOf is the token that goes with a session.
func tokenOf(secret string) string {
	mac := hmac.New(sha256.New, []byte(secret))
	mac.Write([]byte("token of a write"))
	return base64.RawURLEncoding.EncodeToString(mac.Sum(nil))
}

// secretOf is a secret from a cookie of the request; empty for none, and for what
// can be none.
func secretOf(c fiber.Ctx, cookie string) string {
	secret := c.Cookies(cookie)
	if len(secret) != secretLength {
		return ""
	}
	return strings.Clone(secret)
}

func (s *Server) setCookie(c fiber.Ctx, name, value string, lasts time.Duration, forScripts bool) {
	c.Cookie(&fiber.Cookie{Name: name, Value: value, Path: "/", MaxAge: int(lasts.Seconds()), HTTPOnly: !forScripts, Secure: s.secure, SameSite: fiber.CookieSameSiteLaxMode})
}

// dropCookie lets a cookie go.
func (s *Server) dropCookie(c fiber.Ctx, name string) {
	c.Cookie(&fiber.Cookie{Name: name, Path: "/", Expires: time.Unix(0, 0), MaxAge: -1, HTTPOnly: name != tokenCookie, Secure: s.secure, SameSite: fiber.CookieSameSiteLaxMode})
}

// who returns the account of the request's session. Reading needs no write: that the
// session was used is noted now and then, and where it cannot be, the request goes on.
func (s *Server) who(c fiber.Ctx) (store.Account, error) {
	secret := secretOf(c, sessionCookie)
	if secret == "" {
		return store.Account{}, loggedOut()
	}
	in, err := s.store.LoggedIn(c.Context(), keyOf(secret))
	if errors.Is(err, store.ErrNone) {
		return store.Account{}, loggedOut()
	}
	if err != nil {
		return store.Account{}, err
	}
	touched := false
	if in.Unused > touchAfter {
		if err := s.store.Touch(c.Context(), keyOf(secret), sessionLasts); err != nil {
			slog.Debug("a session was used and that could not be noted", "error", err)
		} else {
			touched = true
		}
	}
	if touched || c.Cookies(tokenCookie) != tokenOf(secret) {
		s.showSession(c, secret)
	}
	return in.Account, nil
}

// mayWrite tells whether a write brings the token of its session.
func mayWrite(c fiber.Ctx) bool {
	secret := secretOf(c, sessionCookie)
	return secret != "" && hmac.Equal([]byte(c.Get(tokenHeader)), []byte(tokenOf(secret)))
}

func (s *Server) showSession(c fiber.Ctx, secret string) {
	s.setCookie(c, sessionCookie, secret, sessionLasts, false)
	s.setCookie(c, tokenCookie, tokenOf(secret), sessionLasts, true)
}

// begin begins a session of an account, with a secret of its own, instead of the one
// that the request came with.
func (s *Server) begin(c fiber.Ctx, account store.Account) error {
	if old := secretOf(c, sessionCookie); old != "" {
		if err := s.store.EndSession(c.Context(), keyOf(old)); err != nil {
			return err
		}
	}
	secret, device := newSecret(), secretOf(c, deviceCookie)
	if device == "" {
		device = newSecret()
	}
	begun := store.Session{Key: keyOf(secret), AccountID: account.ID, Device: deviceOf(c.Get(fiber.HeaderUserAgent))}
	if err := s.store.BeginSession(c.Context(), begun, keyOf(device), sessionLasts); err != nil {
		return err
	}
	s.showSession(c, secret)
	s.setCookie(c, deviceCookie, device, deviceLasts, false)
	return nil
}

// leave lets the browser forget who was here: its cookies, and the answers with
// children's names that it keeps to ask whether they are still true.
func (s *Server) leave(c fiber.Ctx) {
	s.dropCookie(c, sessionCookie)
	s.dropCookie(c, tokenCookie)
	c.Set("Clear-Site-Data", `"cache"`)
}

// deviceOf says in words what a browser says of itself.
func deviceOf(agent string) string {
	first := func(of [][2]string, none string) string {
		for _, pair := range of {
			if strings.Contains(agent, pair[0]) {
				return pair[1]
			}
		}
		return none
	}
	browser := first([][2]string{{"Firefox/", "Firefox"}, {"Edg", "Edge"}, {"Chrome/", "Chrome"}, {"Safari/", "Safari"}}, "A browser")
	on := first([][2]string{{"iPad", "an iPad"}, {"iPhone", "a phone"}, {"Android", "an Android tablet or phone"}, {"Windows", "Windows"}, {"Mac OS", "a Mac"}, {"CrOS", "a Chromebook"}, {"Linux", "Linux"}}, "a device")
	return browser + " on " + on
}
