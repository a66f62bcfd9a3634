package server

import (
	"crypto/rand"
	"errors"
	"fmt"
	"net/mail"
	"strings"
	"time"

	"github.com/gofiber/fiber/v3"
	"github.com/google/uuid"

	"vineswap/core/book"
	"vineswap/core/ladder"
	"vineswap/core/say"
	"vineswap/store"
	"vineswap/wire"
)

// people answers who belongs to the class.
func (s *Server) people(c *call) error {
	_, zone, err := s.today(c)
	if err != nil {
		return err
	}
	out := wire.People{Children: []wire.Enrolled{}, Retired: []wire.Enrolled{}, Members: []wire.Member{}, Classes: []wire.ClassLink{}, Open: []wire.OpenLink{}, Roles: wire.RolesOf(), Told: wire.ToldOf(c.class.Settings.Words()), Apart: []wire.KeptApart{}}
	learners, err := s.store.Enrolled(c.Context(), c.class.ID)
	if err != nil {
		return err
	}
	for _, e := range learners {
		out.Children = append(out.Children, wire.Enrolled{Learner: wire.Learner{ID: e.ID.String(), Name: e.Name}, Told: string(e.Told), When: "since " + wire.DateOf(e.Since)})
	}
	retired, err := s.store.Retired(c.Context(), c.class.ID)
	if err != nil {
		return err
	}
	for _, e := range retired {
		out.Retired = append(out.Retired, wire.Enrolled{Learner: wire.Learner{ID: e.ID.String(), Name: e.Name}, When: "until " + wire.DateOf(e.Until.Time)})
	}
	pairs, err := s.store.Apart(c.Context(), c.class.ID)
	if err != nil {
		return err
	}
	for _, p := range pairs {
		out.Apart = append(out.Apart, wire.KeptApart{One: p.One.String(), Other: p.Other.String()})
	}
	members, err := s.store.Members(c.Context(), c.class.ID)
	if err != nil {
		return err
	}
	for _, m := range members {
		out.Members = append(out.Members, wire.Member{ID: m.AccountID.String(), Name: m.Name, Email: m.Email, Role: string(m.Role)})
	}
	if err := s.addElsewhere(c, &out, s.now().In(zone)); err != nil {
		return err
	}
	return c.JSON(out)
}

// addElsewhere adds the classes that a child can move to, and the counts.
func (s *Server) addElsewhere(c *call, out *wire.People, now time.Time) error {
	mine, err := s.store.Memberships(c.Context(), c.account.ID)
	if err != nil {
		return err
	}
	for _, m := range mine {
		if m.Role == store.Lead && m.ClassID != c.class.ID {
			out.Classes = append(out.Classes, wire.ClassLink{ID: m.ClassID.String(), Name: m.Class, Role: string(m.Role)})
		}
	}
	erased, err := s.store.Erased(c.Context(), c.class.ID)
	if err != nil {
		return err
	}
	open, err := s.store.OpenInvitations(c.Context(), c.class.ID, now)
	if err != nil {
		return err
	}
	for _, i := range open {
		out.Open = append(out.Open, wire.OpenLink{ID: i.ID.String(), Role: string(i.Role), By: i.By, Until: wire.DayOf(i.ExpiresAt.In(now.Location()))})
	}
	out.Erased = say.Erased(erased)
	return nil
}

// nameOf reads a name; the error says what is wrong with it.
func nameOf(text string) (string, error) {
	name, err := book.Name(text, book.MostName)
	switch {
	case errors.Is(err, book.ErrNoName):
		return "", refuse(fiber.StatusUnprocessableEntity, "A name is missing", "Write a first name, or a first name and an initial.").of("name")
	case errors.Is(err, book.ErrLongName):
		return "", refuse(fiber.StatusUnprocessableEntity, fmt.Sprintf("“%s …” is too long for a name", string([]rune(strings.TrimSpace(text))[:20])), fmt.Sprintf("A first name and an initial are enough: at most %d characters.", book.MostName)).of("name")
	case err != nil:
		return "", refuse(fiber.StatusUnprocessableEntity, "The name has characters in it that cannot be read", "Type it again.").because(err).of("name")
	}
	return name, nil
}

// addLearners takes children into the class, all or none.
func (s *Server) addLearners(c *call) error {
	var ask wire.AddLearners
	if err := read(c, &ask); err != nil {
		return err
	}
	told := ladder.Told(ask.Told)
	if !told.Valid() {
		return unknownTold()
	}
	list := make([]store.Learner, len(ask.Learners))
	for i, l := range ask.Learners {
		id, err := uuid.Parse(l.ID)
		if err != nil {
			return refuse(fiber.StatusUnprocessableEntity, "A child was sent without an id", "Reload the page and try again.").of("id")
		}
		name, err := nameOf(l.Name)
		if err != nil {
			return err
		}
		list[i] = store.Learner{ID: id, Name: name, Told: told}
	}
	today, _, err := s.today(c)
	if err != nil {
		return err
	}
	if err := s.store.AddLearners(c.Context(), c.class.ID, list, today.Time()); err != nil {
		return wrongName(err)
	}
	return s.people(c)
}

func unknownTold() *trouble {
	return refuse(fiber.StatusUnprocessableEntity, "This is not one of the things that children can do", "Choose one of those shown.").of("told")
}

// wrongName says which name is used, and what to do.
func wrongName(err error) error {
	var named *store.NameError
	switch {
	case errors.As(err, &named):
		return refuse(fiber.StatusConflict, fmt.Sprintf("“%s” is already in the class", named.Name), "Add a second letter, so that both can be told apart. Nothing was changed.").of("name")
	case errors.Is(err, store.ErrTaken):
		return refuse(fiber.StatusConflict, "This child's id is already used", "Try once more.").of("id")
	}
	return missing(err)
}

// changeLearner renames, retires, takes back or moves a child.
func (s *Server) changeLearner(c *call) error {
	e, err := s.enrolled(c)
	if err != nil {
		return err
	}
	var ask wire.ChangeLearner
	if err := read(c, &ask); err != nil {
		return err
	}
	today, _, err := s.today(c)
	if err != nil {
		return err
	}
	switch {
	case ask.Name != nil:
		name, err := nameOf(*ask.Name)
		if err != nil {
			return err
		}
		err = s.store.RenameLearner(c.Context(), c.class.ID, e.ID, name)
		return s.afterChange(c, err)
	case ask.MoveTo != "":
		return s.move(c, e, uuid.MustParse(ask.MoveTo), today)
	case ask.Told != nil:
		if !ladder.Told(*ask.Told).Valid() {
			return unknownTold()
		}
		return s.afterChange(c, s.store.Tell(c.Context(), c.class.ID, e.ID, ladder.Told(*ask.Told)))
	case ask.Retired != nil && *ask.Retired:
		return s.afterChange(c, s.store.RetireLearner(c.Context(), c.class.ID, e.ID, today.Time()))
	case ask.Retired != nil:
		return s.afterChange(c, s.store.ReturnLearner(c.Context(), c.class.ID, e.ID))
	}
	return refuse(fiber.StatusUnprocessableEntity, "Nothing was asked for", "Rename, retire or move the child.").of("name")
}

func (s *Server) afterChange(c *call, err error) error {
	if err != nil {
		return wrongName(err)
	}
	return s.people(c)
}

// keepApart keeps two children apart in what is suggested, or lets them sit together again.
func (s *Server) keepApart(c *call) error {
	var ask wire.KeepApart
	if err := read(c, &ask); err != nil {
		return err
	}
	err := s.store.KeepApart(c.Context(), c.class.ID, store.Pair{One: uuid.MustParse(ask.One), Other: uuid.MustParse(ask.Other)}, ask.Apart)
	switch {
	case errors.Is(err, store.ErrAlone):
		return refuse(fiber.StatusUnprocessableEntity, "A child cannot be kept apart from itself", "Choose another child.").of("other")
	case errors.Is(err, store.ErrNone):
		return refuse(fiber.StatusUnprocessableEntity, "One of the two is not in this class", "Choose children who are in the class now.").of("other")
	}
	return s.afterChange(c, err)
}

// move takes a child to another class that the caller leads too.
func (s *Server) move(c *call, e store.Enrolled, to uuid.UUID, today book.Day) error {
	role, err := s.store.RoleIn(c.Context(), c.account.ID, to)
	if err != nil || role != store.Lead {
		return refuse(fiber.StatusUnprocessableEntity, "You do not lead the other class", "Choose one of your own classes.").of("moveTo")
	}
	return s.afterChange(c, s.store.MoveLearner(c.Context(), c.class.ID, to, e.ID, today.Time()))
}

// invitationLasts is how long a link can be used.
const invitationLasts = 7 * 24 * time.Hour

const wordLength = 26

// invite makes a link that works once. Only its hash is kept.
func (s *Server) invite(c *call) error {
	var ask wire.Invite
	if err := read(c, &ask); err != nil {
		return err
	}
	_, zone, err := s.today(c)
	if err != nil {
		return err
	}
	word := rand.Text() // of wordLength characters
	until := s.now().Add(invitationLasts)
	err = s.store.Invite(c.Context(), store.Invitation{Key: keyOf(word), ClassID: c.class.ID, Role: store.Role(ask.Role), MadeBy: c.account.ID, ExpiresAt: until})
	if err != nil {
		return err
	}
	return c.JSON(wire.Invited{Path: "#/join/" + word, Until: wire.DayOf(until.In(zone))})
}

func usedUp() *trouble {
	return refuse(fiber.StatusNotFound, "This invitation cannot be used any more", "It works once, for a week. Ask the lead of the class for a new one.")
}

// invitation answers what a link leads to, to whoever has it.
func (s *Server) invitation(c fiber.Ctx) error {
	word := c.Params("word")
	if len(word) != wordLength {
		return usedUp()
	}
	i, err := s.store.Invitation(c.Context(), keyOf(word), s.now())
	if errors.Is(err, store.ErrNone) {
		return usedUp()
	}
	if err != nil {
		return err
	}
	class, err := s.store.Class(c.Context(), i.ClassID)
	if err != nil {
		return err
	}
	zone, err := time.LoadLocation(class.Zone)
	if err != nil {
		return err
	}
	return c.JSON(wire.Invitation{Class: i.Class, Role: string(i.Role), Until: wire.DayOf(i.ExpiresAt.In(zone))})
}

// join uses an invitation up: for the account that is logged in, or for a new
// one, which is logged in then.
func (s *Server) join(c fiber.Ctx) error {
	if len(c.Params("word")) != wordLength {
		return usedUp()
	}
	key := keyOf(c.Params("word"))
	if _, err := s.store.Invitation(c.Context(), key, s.now()); errors.Is(err, store.ErrNone) {
		return usedUp()
	} else if err != nil {
		return err
	}
	var ask wire.Join
	if err := read(c, &ask); err != nil {
		return err
	}
	var nobody *trouble
	account, err := s.who(c)
	switch {
	case err == nil && !mayWrite(c):
		return wrongToken()
	case err == nil:
		return s.accept(c, key, account, false)
	case !errors.As(err, &nobody):
		return err
	}
	if account, err = newAccount(ask); err != nil {
		return err
	}
	return s.accept(c, key, account, true)
}

// mostAdultName is how many characters the name of an account has.
const mostAdultName = 80

// newAccount checks what somebody writes to join.
func newAccount(ask wire.Join) (store.Account, error) {
	name, err := book.Name(ask.Name, mostAdultName)
	a := store.Account{ID: uuid.New(), Name: name, Email: strings.TrimSpace(ask.Email)}
	if err != nil {
		return a, refuse(fiber.StatusUnprocessableEntity, "Your name is missing, or cannot be read", "Write the name that the class knows you by.").because(err).of("name")
	}
	if address, err := mail.ParseAddress(a.Email); err != nil || address.Address != a.Email {
		return a, refuse(fiber.StatusUnprocessableEntity, "This is not an email address", "It looks like hanne@school.example.").of("email")
	}
	if len([]rune(ask.Password)) < FewestSigns {
		return a, shortPassword().of("password")
	}
	a.Password, err = HashPassword(ask.Password)
	return a, err
}

func (s *Server) accept(c fiber.Ctx, key string, a store.Account, isNew bool) error {
	err := s.store.Accept(c.Context(), key, a, isNew, s.now())
	switch {
	case errors.Is(err, store.ErrNone):
		return usedUp()
	case errors.Is(err, store.ErrTaken):
		return refuse(fiber.StatusConflict, "There is an account with this email", "Log in with it first, then open the link again.").of("email")
	case err != nil:
		return err
	}
	if isNew {
		return s.enter(c, a)
	}
	return s.me(&call{Ctx: c, account: a})
}
