package server

import (
	"errors"
	"strings"
	"sync"
	"time"

	"github.com/gofiber/fiber/v3"

	"vineswap/store"
	"vineswap/wire"
)

// Failed log-ins that are let through within a time: of an account, wherever they come
// from; of an address, whichever accounts it tries; of the whole server. A device on
// which the account has logged in before counts by itself.
const (
	triesOfAccount = 10
	triesOfDevice  = 20
	triesOfAddress = 40
	triesOfServer  = 400
	triesWithin    = 5 * time.Minute
)

// nobodysHash is worked for an email that has no account, so that the answer
// takes as long.
var nobodysHash = sync.OnceValues(func() (string, error) { return HashPassword("nobody has this") })

func (s *Server) login(c fiber.Ctx) error {
	var l wire.Login
	if err := read(c, &l); err != nil {
		return err
	}
	email := strings.ToLower(strings.TrimSpace(l.Email))
	keys, err := s.try(c, email)
	if err != nil {
		return err
	}
	account, err := s.store.AccountByEmail(c.Context(), email)
	known := err == nil
	if errors.Is(err, store.ErrNone) {
		account.Password, err = nobodysHash()
	}
	if err != nil {
		return err
	}
	same, err := samePassword(c.Context(), account.Password, l.Password)
	if err != nil {
		return err
	}
	if !same || !known {
		return refuse(fiber.StatusUnauthorized, "Email and password do not belong together", "Check both. A lost password is replaced with “vineswap account reset”.").of("password")
	}
	if err := s.store.Forgive(c.Context(), keys); err != nil {
		return err
	}
	return s.enter(c, account)
}

// try counts a log-in before any work is done for it, and returns under which keys:
// hashes, so that no email or address is kept.
func (s *Server) try(c fiber.Ctx, email string) ([]string, error) {
	keys, most := []string{keyOf("account " + email), keyOf("address " + s.sender(c)), keyOf("server")}, []int{triesOfAccount, triesOfAddress, triesOfServer}
	if device := secretOf(c, deviceCookie); device != "" {
		known, err := s.store.KnownDevice(c.Context(), keyOf(device), email)
		if err != nil {
			return nil, err
		}
		if known {
			keys, most = []string{keyOf("device " + device + " " + email)}, []int{triesOfDevice}
		}
	}
	let, err := s.store.Try(c.Context(), keys, most, triesWithin)
	if err == nil && !let {
		c.Set(fiber.HeaderRetryAfter, "300")
		err = refuse(fiber.StatusTooManyRequests, "Too many tries", "Wait five minutes, then try again.").of("password")
	}
	return keys, err
}

// enter begins a session of an account and answers who it is.
func (s *Server) enter(c fiber.Ctx, account store.Account) error {
	if err := s.begin(c, account); err != nil {
		return err
	}
	return s.me(&call{Ctx: c, account: account})
}

func (s *Server) logout(c fiber.Ctx) error {
	if secret := secretOf(c, sessionCookie); secret != "" {
		if !mayWrite(c) {
			return wrongToken()
		}
		if err := s.store.EndSession(c.Context(), keyOf(secret)); err != nil {
			return err
		}
	}
	s.leave(c)
	return c.SendStatus(fiber.StatusNoContent)
}

func (s *Server) me(c *call) error {
	list, err := s.store.Memberships(c.Context(), c.account.ID)
	if err != nil {
		return err
	}
	me := wire.Me{ID: c.account.ID.String(), Name: c.account.Name, Email: c.account.Email, Classes: []wire.ClassLink{}}
	for _, m := range list {
		me.Classes = append(me.Classes, wire.ClassLink{ID: m.ClassID.String(), Name: m.Class, Role: string(m.Role)})
	}
	return c.JSON(me)
}
