package server

import (
	"errors"

	"github.com/gofiber/fiber/v3"
	"github.com/google/uuid"

	"vineswap/store"
)

// call is a request of somebody who is logged in; in a class's routes with the
// class and the role there.
type call struct {
	fiber.Ctx
	account store.Account
	class   store.Class
	role    store.Role
}

// Route is one route of a class and the least role that it asks for.
type Route struct {
	Method, Path string
	Least        store.Role
	handle       func(*Server, *call) error
}

// Routes lists every route of a class, under /api/classes/:class.
func Routes() []Route {
	return []Route{
		{fiber.MethodGet, "", store.Viewer, (*Server).desk},
		{fiber.MethodGet, "/choices", store.Viewer, (*Server).choices},
		{fiber.MethodPut, "/settings", store.Lead, (*Server).setSettings},
		{fiber.MethodPost, "/choose", store.Assistant, (*Server).choose},
		{fiber.MethodGet, "/kept", store.Viewer, (*Server).keptChoices},
		{fiber.MethodPost, "/kept", store.Assistant, (*Server).keepChoice},
		{fiber.MethodDelete, "/kept/:kept", store.Assistant, (*Server).dropChoice},
		{fiber.MethodPost, "/look", store.Assistant, (*Server).look},
		{fiber.MethodPost, "/lessons", store.Assistant, (*Server).newLesson},
		{fiber.MethodGet, "/lessons", store.Viewer, (*Server).lessonDay},
		{fiber.MethodGet, "/lessons/:lesson", store.Viewer, (*Server).lesson},
		{fiber.MethodPatch, "/lessons/:lesson", store.Assistant, (*Server).changeLesson},
		{fiber.MethodGet, "/lessons/:lesson/record", store.Viewer, (*Server).record},
		{fiber.MethodPost, "/lessons/:lesson/observations", store.Assistant, (*Server).observe},
		{fiber.MethodPost, "/lessons/:lesson/estimates", store.Assistant, (*Server).estimate},
		{fiber.MethodPost, "/lessons/:lesson/counts", store.Assistant, (*Server).timed},
		{fiber.MethodGet, "/lessons/:lesson/slates", store.Viewer, (*Server).slates},
		{fiber.MethodPost, "/lessons/:lesson/rounds", store.Assistant, (*Server).keepRound},
		{fiber.MethodPut, "/seats", store.Assistant, (*Server).setSeats},
		{fiber.MethodGet, "/openers", store.Viewer, (*Server).openers},
		{fiber.MethodPut, "/openers", store.Assistant, (*Server).keepOpeners},
		{fiber.MethodDelete, "/openers/:row", store.Assistant, (*Server).dropOpeners},
		{fiber.MethodPost, "/openers/run", store.Assistant, (*Server).runOpeners},
		{fiber.MethodGet, "/sheets", store.Viewer, (*Server).sheets},
		{fiber.MethodPost, "/sheets/look", store.Viewer, (*Server).lookAtSheet},
		{fiber.MethodPost, "/sheets", store.Assistant, (*Server).printSheets},
		{fiber.MethodGet, "/sheets/:sheet", store.Viewer, (*Server).sheetAnswers},
		{fiber.MethodGet, "/sheets/:sheet/print.pdf", store.Viewer, (*Server).printAgain},
		{fiber.MethodGet, "/sheets/:sheet/answers.csv", store.Lead, (*Server).answersCSV},
		{fiber.MethodGet, "/sheets/:sheet/learners/:learner", store.Viewer, (*Server).sheetHelp},
		{fiber.MethodPost, "/sheets/:sheet/answers", store.Assistant, (*Server).keepAnswers},
		{fiber.MethodPut, "/sheets/:sheet/missing", store.Assistant, (*Server).setMissing},
		{fiber.MethodGet, "/minutes", store.Viewer, (*Server).minutes},
		{fiber.MethodPost, "/minutes", store.Assistant, (*Server).keepMinute},
		{fiber.MethodPost, "/imports", store.Assistant, (*Server).beginImport},
		{fiber.MethodPost, "/imports/:import/parts", store.Assistant, (*Server).addImportPart},
		{fiber.MethodPost, "/imports/:import", store.Assistant, (*Server).readImport},
		{fiber.MethodDelete, "/imports/:import", store.Assistant, (*Server).dropImport},
		{fiber.MethodPost, "/projector", store.Assistant, (*Server).projectorCode},
		{fiber.MethodGet, "/events", store.Viewer, (*Server).follow},
		{fiber.MethodGet, "/today", store.Viewer, (*Server).morning},
		{fiber.MethodPut, "/away", store.Assistant, (*Server).setAway},
		{fiber.MethodPut, "/day", store.Assistant, (*Server).setDay},
		{fiber.MethodPut, "/off", store.Assistant, (*Server).putOff},
		{fiber.MethodGet, "/week", store.Viewer, (*Server).week},
		{fiber.MethodPost, "/numbers", store.Viewer, (*Server).chooseOne},
		{fiber.MethodPost, "/snakes", store.Viewer, (*Server).chooseSnakes},
		{fiber.MethodPost, "/bars", store.Viewer, (*Server).chooseBars},
		{fiber.MethodPost, "/tray", store.Viewer, (*Server).tray},
		{fiber.MethodGet, "/stands", store.Viewer, (*Server).stands},
		{fiber.MethodGet, "/vines", store.Viewer, (*Server).vines},
		{fiber.MethodGet, "/learners/:learner", store.Viewer, (*Server).learner},
		{fiber.MethodGet, "/learners/:learner/entries", store.Viewer, (*Server).entries},
		{fiber.MethodPost, "/learners/:learner/corrections", store.Assistant, (*Server).correct},
		{fiber.MethodPost, "/learners/:learner/judgements", store.Lead, (*Server).overrule},
		{fiber.MethodGet, "/learners/:learner/export.json", store.Lead, (*Server).exportJSON},
		{fiber.MethodGet, "/learners/:learner/export.csv", store.Lead, (*Server).exportCSV},
		{fiber.MethodGet, "/people", store.Lead, (*Server).people},
		{fiber.MethodPost, "/learners", store.Lead, (*Server).addLearners},
		{fiber.MethodPatch, "/learners/:learner", store.Lead, (*Server).changeLearner},
		{fiber.MethodPut, "/apart", store.Lead, (*Server).keepApart},
		{fiber.MethodPost, "/invitations", store.Lead, (*Server).invite},
		{fiber.MethodDelete, "/invitations/:invitation", store.Lead, (*Server).withdraw},
		{fiber.MethodPatch, "/members/:member", store.Lead, (*Server).changeMember},
		{fiber.MethodDelete, "/members/:member", store.Lead, (*Server).removeMember},
		{fiber.MethodDelete, "/learners/:learner", store.Lead, (*Server).erase},
	}
}

func (s *Server) route(api fiber.Router) {
	api.Get("/me", s.loggedIn((*Server).me))
	api.Post("/login", short, answered(s.login))
	api.Post("/logout", short, answered(s.logout))
	api.Get("/invitations/:word", answered(s.invitation))
	api.Post("/invitations/:word", short, answered(s.join))
	api.Get("/projector/:code", answered(s.projector))
	api.Get("/projector/:code/events", answered(s.projectorEvents))
	api.Get("/account", s.loggedIn((*Server).access))
	api.Post("/account/password", s.loggedIn((*Server).setPassword))
	api.Post("/account/elsewhere", s.loggedIn((*Server).elsewhere))
	api.Post("/account/close", s.loggedIn((*Server).closeAccount))
	for _, r := range Routes() {
		api.Add([]string{r.Method}, "/classes/:class"+r.Path, s.inClass(r))
	}
	api.Use(func(c fiber.Ctx) error { return answer(c, notFound()) })
}

// answered turns a handler's error into a problem document at once, so that
// whatever stands before it sees the status.
func answered(handle fiber.Handler) fiber.Handler {
	return func(c fiber.Ctx) error {
		if err := handle(c); err != nil {
			return answer(c, err)
		}
		return nil
	}
}

func (s *Server) loggedIn(handle func(*Server, *call) error) fiber.Handler {
	return answered(func(c fiber.Ctx) error {
		account, err := s.who(c)
		if err != nil {
			return err
		}
		if c.Method() != fiber.MethodGet && c.Method() != fiber.MethodHead && !mayWrite(c) {
			return wrongToken()
		}
		return handle(s, &call{Ctx: c, account: account})
	})
}

// inClass lets a request through whose class is the caller's and whose role is
// enough. Another's class is answered like one that does not exist.
func (s *Server) inClass(r Route) fiber.Handler {
	return s.loggedIn(func(s *Server, c *call) error {
		id, err := uuid.Parse(c.Params("class"))
		if err != nil {
			return notFound()
		}
		if c.class, c.role, err = s.store.ClassAs(c.Context(), c.account.ID, id); err != nil {
			return missing(err)
		}
		if !c.role.May(r.Least) {
			return refuse(fiber.StatusForbidden, "As "+string(c.role)+" of this class you cannot do this", "Ask the lead of the class.")
		}
		return r.handle(s, c)
	})
}

// missing answers 404 for a record that is not there.
func missing(err error) error {
	if errors.Is(err, store.ErrNone) {
		return notFound()
	}
	return err
}
