package server

import (
	"errors"
	"time"

	"github.com/gofiber/fiber/v3"
	"github.com/google/uuid"

	"vineswap/core/book"
	"vineswap/core/say"
	"vineswap/store"
	"vineswap/wire"
)

// access answers where one's account is logged in.
func (s *Server) access(c *call) error {
	list, err := s.store.Sessions(c.Context(), c.account.ID)
	if err != nil {
		return err
	}
	here, today := keyOf(secretOf(c, sessionCookie)), book.DayOf(s.now())
	out := wire.Access{Name: c.account.Name, Email: c.account.Email, Places: []wire.LoggedInAt{}, FewestSigns: FewestSigns}
	for _, at := range list {
		out.Places = append(out.Places, wire.LoggedInAt{Device: at.Device, Here: at.Key == here, Since: say.ShortDay(book.DayOf(at.BegunAt), today), At: at.BegunAt.UTC().Format(time.RFC3339)})
	}
	return c.JSON(out)
}

// sameAgain refuses what is not confirmed by one's own password. Tries are counted as
// those of a log-in are.
func (s *Server) sameAgain(c *call, password string) error {
	keys, err := s.try(c, c.account.Email)
	if err != nil {
		return err
	}
	same, err := samePassword(c.Context(), c.account.Password, password)
	if err != nil {
		return err
	}
	if !same {
		return refuse(fiber.StatusUnprocessableEntity, "This is not your password", "Type the one that you log in with now.").of("password")
	}
	return s.store.Forgive(c.Context(), keys)
}

// setPassword changes one's own password. All sessions end, and this one goes on
// under another secret.
func (s *Server) setPassword(c *call) error {
	var ask wire.NewPassword
	if err := read(c, &ask); err != nil {
		return err
	}
	if len([]rune(ask.New)) < FewestSigns {
		return shortPassword().of("new")
	}
	if err := s.sameAgain(c, ask.Password); err != nil {
		return err
	}
	hash, err := HashPassword(ask.New)
	if err != nil {
		return err
	}
	if err := s.store.SetPassword(c.Context(), c.account.Email, hash); err != nil {
		return missing(err)
	}
	return s.enter(c, c.account)
}

// elsewhere logs one's account out everywhere but here.
func (s *Server) elsewhere(c *call) error {
	if _, err := s.store.EndOtherSessions(c.Context(), c.account.ID, keyOf(secretOf(c, sessionCookie))); err != nil {
		return err
	}
	return s.access(c)
}

// closeAccount ends one's own account.
func (s *Server) closeAccount(c *call) error {
	var ask wire.CloseAccount
	if err := read(c, &ask); err != nil {
		return err
	}
	if err := s.sameAgain(c, ask.Password); err != nil {
		return err
	}
	err := s.store.CloseAccount(c.Context(), c.account.ID)
	if errors.Is(err, store.ErrLastLead) {
		return refuse(fiber.StatusConflict, "You are the only lead of a class", "Make somebody else its lead first, in “Who can see this class”.").of("close")
	}
	if err != nil {
		return err
	}
	s.leave(c)
	return c.SendStatus(fiber.StatusNoContent)
}

// changeMember gives an adult of the class another role.
func (s *Server) changeMember(c *call) error {
	var ask wire.ChangeMember
	if err := read(c, &ask); err != nil {
		return err
	}
	return s.withMember(c, func(id uuid.UUID) error { return s.store.SetRole(c.Context(), c.class.ID, id, store.Role(ask.Role)) })
}

// removeMember takes an adult out of the class: the next request is refused.
func (s *Server) removeMember(c *call) error {
	return s.withMember(c, func(id uuid.UUID) error { return s.store.RemoveMember(c.Context(), c.class.ID, id) })
}

// withMember does something with the adult that a route names and answers the people
// of the class; whoever is no lead any more gets nothing but that it is done.
func (s *Server) withMember(c *call, do func(uuid.UUID) error) error {
	id, err := uuid.Parse(c.Params("member"))
	if err != nil {
		return notFound()
	}
	err = do(id)
	if errors.Is(err, store.ErrLastLead) {
		return refuse(fiber.StatusConflict, "The class would have no lead", "Make somebody else its lead first.").of("role")
	}
	if err != nil {
		return missing(err)
	}
	if id == c.account.ID {
		return c.SendStatus(fiber.StatusNoContent)
	}
	return s.people(c)
}

// withdraw makes the link of an invitation useless.
func (s *Server) withdraw(c *call) error {
	id, err := uuid.Parse(c.Params("invitation"))
	if err != nil {
		return notFound()
	}
	if err := s.store.WithdrawInvitation(c.Context(), c.class.ID, id); err != nil {
		return missing(err)
	}
	return s.people(c)
}
