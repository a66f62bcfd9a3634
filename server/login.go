package server

import (
	"errors"
	"strings"
	"sync"

	"github.com/gofiber/fiber/v3"
	"github.com/google/uuid"

	"vineswap/store"
	"vineswap/wire"
)

// accountKey is where a session keeps who is logged in.
const accountKey = "account"

// who returns the account of the request's session.
func (s *Server) who(c fiber.Ctx) (store.Account, error) {
	session, err := s.sessions.Get(c)
	if err != nil {
		return store.Account{}, loggedOut()
	}
	defer session.Release()
	text, _ := session.Get(accountKey).(string)
	id, err := uuid.Parse(text)
	if err != nil {
		return store.Account{}, loggedOut()
	}
	account, err := s.store.AccountByID(c.Context(), id)
	if errors.Is(err, store.ErrNone) {
		return account, loggedOut()
	}
	return account, err
}

// nobodysHash is worked for an email that has no account, so that the answer
// takes as long.
var nobodysHash = sync.OnceValues(func() (string, error) { return HashPassword("nobody has this") })

func (s *Server) login(c fiber.Ctx) error {
	var l wire.Login
	if err := read(c, &l); err != nil {
		return err
	}
	account, err := s.store.AccountByEmail(c.Context(), strings.TrimSpace(l.Email))
	known := err == nil
	if errors.Is(err, store.ErrNone) {
		account.Password, err = nobodysHash()
	}
	if err != nil {
		return err
	}
	same, err := samePassword(account.Password, l.Password)
	if err != nil {
		return err
	}
	if !same || !known {
		return refuse(fiber.StatusUnauthorized, "Email and password do not belong together", "Look at both once more. A lost password is set anew with “vineswap account reset”.").of("password")
	}
	return s.enter(c, account)
}

// enter begins a session of an account and answers who it is.
func (s *Server) enter(c fiber.Ctx, account store.Account) error {
	session, err := s.sessions.Get(c)
	if err != nil {
		return err
	}
	defer session.Release()
	if err := session.Regenerate(); err != nil {
		return err
	}
	session.Set(accountKey, account.ID.String())
	if err := session.Save(); err != nil {
		return err
	}
	return s.me(&call{Ctx: c, account: account})
}

func (s *Server) logout(c fiber.Ctx) error {
	session, err := s.sessions.Get(c)
	if err != nil {
		return err
	}
	defer session.Release()
	if err := session.Destroy(); err != nil {
		return err
	}
	return c.SendStatus(fiber.StatusNoContent)
}

func (s *Server) me(c *call) error {
	list, err := s.store.Memberships(c.Context(), c.account.ID)
	if err != nil {
		return err
	}
	me := wire.Me{Name: c.account.Name, Email: c.account.Email, Classes: []wire.ClassLink{}}
	for _, m := range list {
		me.Classes = append(me.Classes, wire.ClassLink{ID: m.ClassID.String(), Name: m.Class, Role: string(m.Role)})
	}
	return c.JSON(me)
}
