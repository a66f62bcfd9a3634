package server

import (
	"encoding/json"
	"errors"
	"slices"
	"time"

	"github.com/gofiber/fiber/v3"
	"github.com/google/uuid"

	"vineswap/core/beads"
	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/lesson"
	"vineswap/core/material"
	"vineswap/core/number"
	"vineswap/core/opener"
	"vineswap/core/say"
	"vineswap/core/trace"
	"vineswap/store"
	"vineswap/wire"
)

// newLesson opens a lesson under the id that the screen made. Sending it again
// answers the same lesson.
func (s *Server) newLesson(c *call) error {
	var ask wire.NewLesson
	if err := read(c, &ask); err != nil {
		return err
	}
	items, err := itemsOf(ask.Tasks)
	if err != nil {
		return err
	}
	opened, err := s.opened(c, items, ask)
	if err != nil {
		return err
	}
	if opened, err = s.dealt(c, opened); err != nil {
		return err
	}
	id := uuid.MustParse(ask.ID)
	err = s.store.AddLesson(c.Context(), store.Lesson{Lesson: opened, ID: id, ClassID: c.class.ID, OpenedBy: c.account.ID, ChangedAt: s.now()})
	switch {
	case errors.Is(err, store.ErrTaken):
		return refuse(fiber.StatusConflict, "This lesson's id is already used", "Pick the numbers once more.").of("id")
	case errors.Is(err, store.ErrNone):
		return wrongChild()
	case err != nil:
		return err
	}
	return s.answerLesson(c, id)
}

// opened is a new lesson of some children, or for the whole class.
func (s *Server) opened(c *call, items []lesson.Item, ask wire.NewLesson) (lesson.Lesson, error) {
	if !ask.Whole {
		l, err := lesson.New(items, c.class.Settings.Material, ask.Children)
		if err != nil {
			return l, wrongLesson(err)
		}
		return l, nil
	}
	here, err := s.here(c)
	if err != nil {
		return lesson.Lesson{}, err
	}
	l, err := lesson.ForAll(items, c.class.Settings.Material, here)
	if err != nil {
		return l, wrongLesson(err)
	}
	return l, nil
}

// itemsOf reads the tasks of a lesson.
func itemsOf(asked []wire.NewTask) ([]lesson.Item, error) {
	items := make([]lesson.Item, len(asked))
	for i, ask := range asked {
		items[i].Stage, items[i].Manner = choose.StageID(ask.Stage), book.Manner(ask.Manner)
		if ask.Flash != nil {
			items[i].Flash = &opener.Flash{Tenths: ask.Flash.Tenths, Times: ask.Flash.Times}
		}
		if err := json.Unmarshal(ask.Task, &items[i].Task); err != nil {
			return nil, wrongLesson(err)
		}
		if ask.Stage == "" {
			continue
		}
		if _, err := choose.ParseStage(ask.Stage); err != nil && !number.Within(items[i].Stage, 0) && !beads.Has(items[i].Stage) {
			return nil, wrongChoice(err)
		}
	}
	return items, nil
}

// dealt gives each place of a lesson's tasks to a child, by what each has still to show.
func (s *Server) dealt(c *call, l lesson.Lesson) (lesson.Lesson, error) {
	if l.Dealt() {
		return l, nil
	}
	lacks, err := s.lacks(c, l.Children)
	if err != nil {
		return l, err
	}
	return l.Deal(lacks), nil
}

// lacks tells what children have still to show under a key. Of one who has left the class
// nothing is known here.
func (s *Server) lacks(c *call, children []string) (func(ladder.Key) []lesson.Lack, error) {
	of := make([]ladder.Child, len(children))
	if len(children) > 0 {
		today, _, err := s.today(c)
		if err != nil {
			return nil, err
		}
		now, err := s.children(c, today)
		if err != nil {
			return nil, err
		}
		for i, id := range children {
			of[i], _ = now.child(id)
		}
	}
	return func(key ladder.Key) []lesson.Lack {
		list := make([]lesson.Lack, len(of))
		for i, child := range of {
			list[i].Skills, list[i].Beads = child.Lacks(key)
		}
		return list
	}, nil
}

func wrongChild() *trouble {
	return refuse(fiber.StatusUnprocessableEntity, "A child who was chosen is not in this class", "Choose the children once more.").of("children")
}

func wrongLesson(err error) *trouble {
	field := "tasks"
	switch {
	case errors.Is(err, lesson.ErrChildren) || errors.Is(err, lesson.ErrTwice) || errors.Is(err, lesson.ErrWhole):
		field = "children"
	case errors.Is(err, opener.ErrSeconds) || errors.Is(err, opener.ErrTimes) || errors.Is(err, lesson.ErrFlash) || errors.Is(err, lesson.ErrShown):
		field = "flash"
	case errors.Is(err, lesson.ErrPace) || errors.Is(err, lesson.ErrSlates):
		field = "pace"
	}
	return refuse(fiber.StatusUnprocessableEntity, "This lesson cannot be opened", "Choose other numbers, or fewer children.").because(err).of(field)
}

// lesson answers a lesson with its whole trace.
func (s *Server) lesson(c *call) error {
	id, err := uuid.Parse(c.Params("lesson"))
	if err != nil {
		return notFound()
	}
	return s.answerLesson(c, id)
}

// lessonAsked reads what is asked of a lesson, and the lesson.
func (s *Server) lessonAsked(c *call, ask any) (store.Lesson, error) {
	id, err := uuid.Parse(c.Params("lesson"))
	if err != nil {
		return store.Lesson{}, notFound()
	}
	if err := read(c, ask); err != nil {
		return store.Lesson{}, err
	}
	kept, err := s.store.Lesson(c.Context(), c.class.ID, id)
	if err != nil {
		return store.Lesson{}, missing(err)
	}
	return kept, nil
}

func (s *Server) answerLesson(c *call, id uuid.UUID) error {
	made, err := s.wireLesson(c, id)
	if err != nil {
		return missing(err)
	}
	return c.JSON(made)
}

func (s *Server) wireLesson(c *call, id uuid.UUID) (wire.Lesson, error) {
	kept, err := s.store.Lesson(c.Context(), c.class.ID, id)
	if err != nil {
		return wire.Lesson{}, err
	}
	link, view, err := s.linkOf(c, kept)
	if err != nil {
		return wire.Lesson{}, err
	}
	made := wire.LessonOf(c.class.Settings, link, kept.Revision, view, childrenOf(kept))
	if m := kept.Current().Manner; m != "" && made.Link.Sum.One == nil && made.Link.Sum.Snake == nil {
		made.Reach = say.InReach(m)
	}
	made = wire.RoundOf(c.class.Settings, kept.Lesson, made)
	if kept.Whole {
		return made, nil
	}
	made.Then = wire.ThenOf(c.class.Settings.Words(), kept.Lesson)
	made.Apart, err = s.warnings(c, childrenOf(kept))
	return made, err
}

// warnings say, to the lead alone, who of some children are not to sit together.
func (s *Server) warnings(c *call, children []lesson.Child) ([]string, error) {
	says := []string{}
	if c.role != store.Lead || len(children) < 2 {
		return says, nil
	}
	pairs, err := s.store.Apart(c.Context(), c.class.ID)
	names := map[string]string{}
	for _, child := range children {
		names[child.ID] = child.Name
	}
	for _, p := range pairs {
		if one, other := names[p.One.String()], names[p.Other.String()]; one != "" && other != "" {
			says = append(says, say.NotTogether(one, other))
		}
	}
	return says, err
}

// linkOf makes the short form of a lesson, and the view that it was made of.
func (s *Server) linkOf(c *call, kept store.Lesson) (wire.LessonLink, lesson.View, error) {
	zone, err := time.LoadLocation(c.class.Zone)
	if err != nil {
		return wire.LessonLink{}, lesson.View{}, err
	}
	view, err := kept.Open(c.class.Settings.Words(), c.class.Settings.Method())
	if err != nil {
		return wire.LessonLink{}, view, err
	}
	link, err := wire.LinkOf(c.class.Settings, kept.ID.String(), kept.Lesson, view, childrenOf(kept), kept.ChangedAt.In(zone).Format("15:04"))
	if kept.Stand == lesson.Gathering || kept.Stand == lesson.OnTheMat {
		link.NotDone = say.NotDone(book.DayOf(kept.ChangedAt.In(zone)), book.DayOf(s.now().In(zone)), kept.Stand == lesson.OnTheMat)
	}
	return link, view, err
}

func childrenOf(l store.Lesson) []lesson.Child {
	children := make([]lesson.Child, len(l.Seated))
	for i, learner := range l.Seated {
		children[i] = lesson.Child{ID: learner.ID.String(), Name: learner.Name}
	}
	return children
}

// changeLesson changes a lesson from the revision that was read. A stale write
// is answered with 409 and the lesson as it is now.
func (s *Server) changeLesson(c *call) error {
	id, err := uuid.Parse(c.Params("lesson"))
	if err != nil {
		return notFound()
	}
	var ask wire.LessonChange
	if err := read(c, &ask); err != nil {
		return err
	}
	change, err := changeOf(ask)
	if err != nil {
		return err
	}
	kept, err := s.store.Lesson(c.Context(), c.class.ID, id)
	if err != nil {
		return missing(err)
	}
	if kept.Revision != ask.Revision {
		return s.stale(c, id)
	}
	if ask.More {
		if change, err = s.another(c, kept.Lesson); err != nil {
			return err
		}
	}
	if ask.Whole && !kept.Whole {
		if change.Children, err = s.here(c); err != nil {
			return err
		}
	}
	change.Method = c.class.Settings.Method()
	if kept.Lesson, err = kept.With(change); errors.Is(err, lesson.ErrEnded) {
		return refuse(fiber.StatusConflict, "This lesson has ended", "Open a new one in Numbers.")
	} else if err != nil {
		return wrongLesson(err)
	}
	if kept.Lesson, err = s.dealt(c, kept.Lesson); err != nil {
		return err
	}
	kept.ChangedAt = s.now()
	err = s.store.SaveLesson(c.Context(), c.account.ID, kept)
	switch {
	case errors.Is(err, store.ErrStale):
		return s.stale(c, id)
	case errors.Is(err, store.ErrNone):
		return wrongChild()
	case err != nil:
		return err
	}
	if c.Get("Prefer") == minimal {
		return c.JSON(wire.Moved{Revision: kept.Revision + 1, At: kept.At.String()})
	}
	return s.answerLesson(c, id)
}

// minimal is what a screen prefers that has the whole trace and moved one step on
// (RFC 7240).
const minimal = "return=minimal"

// stale answers a write from an old revision with the current state.
func (s *Server) stale(c *call, id uuid.UUID) error {
	now, err := s.wireLesson(c, id)
	if err != nil {
		return missing(err)
	}
	t := refuse(fiber.StatusConflict, "The lesson was moved on elsewhere", "Go on from here.")
	t.Lesson = &now
	return t
}

// changeOf reads a change; the error names the field.
func changeOf(ask wire.LessonChange) (lesson.Change, error) {
	change := lesson.Change{Children: ask.Children, Nth: ask.Nth}
	if ask.Alone {
		change.Children = []string{}
	}
	wrong := func(field string, err error) error {
		return refuse(fiber.StatusUnprocessableEntity, "The lesson cannot be changed like this", "Reload the page and try again.").because(err).of(field)
	}
	if ask.Material != "" {
		kind, err := material.ParseKind(ask.Material)
		if err != nil {
			return change, wrong("material", err)
		}
		change.Material = &kind
	}
	if ask.Stand != "" {
		stand := lesson.Stand(ask.Stand)
		change.Stand = &stand
	}
	if ask.At != "" {
		at, err := trace.ParsePosition(ask.At)
		if err != nil {
			return change, wrong("at", err)
		}
		change.At = &at
	}
	if ask.Whole {
		change.Whole = &ask.Whole
	}
	if ask.Pace != "" {
		pace := lesson.Pace(ask.Pace)
		change.Pace = &pace
	}
	change.Shown = ask.Shown
	for _, saw := range ask.Saw {
		at, err := trace.ParsePosition(saw.At)
		if err == nil && !slices.Contains(lesson.Sights(), lesson.Sight(saw.How)) {
			err = lesson.ErrSight
		}
		if err != nil {
			return change, wrong("saw", err)
		}
		change.Saw = append(change.Saw, lesson.Sighting{At: at, How: lesson.Sight(saw.How)})
	}
	return change, nil
}
