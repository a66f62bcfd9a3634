package server

import (
	"database/sql"
	"errors"
	"slices"
	"strings"
	"time"

	"github.com/gofiber/fiber/v3"
	"github.com/google/uuid"

	"vineswap/core/book"
	"vineswap/core/lesson"
	"vineswap/core/say"
	"vineswap/core/turns"
	"vineswap/store"
	"vineswap/wire"
)

// here lists the children of the class who are here today.
func (s *Server) here(c *call) ([]string, error) {
	today, _, err := s.today(c)
	if err != nil {
		return nil, err
	}
	now, err := s.children(c, today)
	if err != nil {
		return nil, err
	}
	ids := []string{}
	for _, child := range now.children {
		if !child.Away {
			ids = append(ids, child.ID)
		}
	}
	return ids, nil
}

// slates answers the class as it sits, at the task in hand of a lesson for all.
func (s *Server) slates(c *call) error {
	id, err := uuid.Parse(c.Params("lesson"))
	if err != nil {
		return notFound()
	}
	return s.answerSlates(c, id)
}

func (s *Server) wireSlates(c *call, id uuid.UUID) (wire.Slates, error) {
	kept, err := s.store.Lesson(c.Context(), c.class.ID, id)
	if err != nil {
		return wire.Slates{}, err
	}
	if !kept.Whole {
		return wire.Slates{}, store.ErrNone
	}
	today, _, err := s.today(c)
	if err != nil {
		return wire.Slates{}, err
	}
	known, err := s.store.Turns(c.Context(), c.class.ID, today)
	if err != nil {
		return wire.Slates{}, err
	}
	now, err := s.children(c, today)
	if err != nil {
		return wire.Slates{}, err
	}
	names, away := map[string]string{}, map[string]bool{}
	for _, child := range now.children {
		names[child.ID], away[child.ID] = child.Name, child.Away
	}
	var all, here []string
	for _, seat := range kept.Seated {
		if child := seat.ID.String(); names[child] != "" {
			if all = append(all, child); !away[child] {
				here = append(here, child)
			}
		}
	}
	queue := known.Queue(here, today)
	out := wire.SlatesOf(c.class.Settings, kept.Lesson, queue, names)
	if err := s.seatAll(c, &out, all, names, away, known, today); err != nil {
		return out, err
	}
	if err := s.addRounds(c, kept, &out); err != nil {
		return out, err
	}
	code, err := s.store.ProjectorCode(c.Context(), c.account.ID, c.class.ID)
	if errors.Is(err, store.ErrNone) {
		err = nil
	}
	out.Code = code
	return out, err
}

// seatAll puts each child on its seat.
func (s *Server) seatAll(c *call, out *wire.Slates, children []string, names map[string]string, away map[string]bool, known turns.Known, today book.Day) error {
	plan, revision, err := s.store.SeatPlan(c.Context(), c.class.ID)
	if err != nil {
		return err
	}
	spots := map[string]lesson.Spot{}
	for _, seat := range plan {
		spots[seat.LearnerID.String()] = lesson.Spot{X: seat.X, Y: seat.Y}
	}
	sit := lesson.Sit(spots, children)
	for _, child := range children {
		f := known.Of(child, today)
		out.Children = append(out.Children, wire.SlateChild{Learner: wire.Learner{ID: child, Name: names[child]}, X: sit[child].X, Y: sit[child].Y, Away: away[child], TurnToday: f.Today, Unread: f.UnreadToday})
	}
	out.Plan = revision
	return nil
}

// addRounds tells what the rounds of a lesson came to.
func (s *Server) addRounds(c *call, kept store.Lesson, out *wire.Slates) error {
	rounds, err := s.store.Rounds(c.Context(), kept.ID)
	if err != nil {
		return err
	}
	for nth, item := range kept.Items {
		told := wire.RoundSay{Text: c.class.Settings.Words().TaskShort(item.Task)}
		i := slices.IndexFunc(rounds, func(r store.Round) bool { return r.Nth == nth })
		if i < 0 {
			out.Rounds = append(out.Rounds, told)
			continue
		}
		told.Kept = true
		if item.Slated() {
			told.Says = say.RightOf(kept.RightOf(nth, rounds[i].Slates))
		}
		out.Rounds = append(out.Rounds, told)
		if nth == kept.Nth {
			out.Kept = keptRound(rounds[i])
		}
	}
	return nil
}

func keptRound(r store.Round) *wire.KeptRound {
	out := &wire.KeptRound{ID: r.ID.String(), By: r.By, Slates: []wire.SlateMarked{}, Turns: []wire.TurnTaken{}}
	for _, slate := range r.Slates {
		out.Slates = append(out.Slates, wire.SlateMarked{Learner: slate.Child, Mark: string(slate.Mark), Answer: slate.Answer})
	}
	for _, t := range r.Turns {
		out.Turns = append(out.Turns, wire.TurnTaken{Learner: t.LearnerID.String(), Took: t.Took, Way: string(t.Way)})
	}
	return out
}

// keepRound keeps a round of slates, once: who comes second is told who was first.
func (s *Server) keepRound(c *call) error {
	var ask wire.KeepRound
	kept, err := s.lessonAsked(c, &ask)
	if err != nil {
		return err
	}
	r, seen, err := s.roundOf(c, kept, ask)
	if err != nil {
		return err
	}
	switch err := s.store.KeepRound(c.Context(), r, seen); {
	case errors.Is(err, store.ErrTwice):
		return s.keptElsewhere(c, kept, ask.Nth)
	case errors.Is(err, store.ErrTaken):
		return refuse(fiber.StatusConflict, "This round's id is already used", "Keep it once more.").of("id")
	case err != nil:
		return err
	}
	return s.answerSlates(c, kept.ID)
}

func (s *Server) answerSlates(c *call, id uuid.UUID) error {
	made, err := s.wireSlates(c, id)
	if err != nil {
		return missing(err)
	}
	return c.JSON(made)
}

// keptElsewhere says who has kept a round already.
func (s *Server) keptElsewhere(c *call, kept store.Lesson, nth int) error {
	rounds, err := s.store.Rounds(c.Context(), kept.ID)
	if err != nil {
		return err
	}
	by := "another screen"
	for _, r := range rounds {
		if r.Nth == nth && r.KeptBy != c.account.ID {
			by = r.By
		}
	}
	return refuse(fiber.StatusConflict, "This round was kept already, by "+by, "What is kept stays. A child's record is corrected on its page.").of("round")
}

// roundOf reads a round that is to be kept, and what its slates show.
func (s *Server) roundOf(c *call, kept store.Lesson, ask wire.KeepRound) (store.Round, []store.Observation, error) {
	today, zone, err := s.today(c)
	if err != nil {
		return store.Round{}, nil, err
	}
	r := store.Round{ID: uuid.MustParse(ask.ID), ClassID: c.class.ID, LessonID: kept.ID, Nth: ask.Nth, Day: today, KeptBy: c.account.ID}
	if kept.Stand == lesson.Ended {
		r.Day = book.DayOf(kept.ChangedAt.In(zone))
	}
	seated := map[string]bool{}
	for _, seat := range kept.Seated {
		seated[seat.ID.String()] = seat.Here
	}
	var sent []lesson.Slate
	for _, slate := range ask.Slates {
		if !seated[slate.Learner] {
			return r, nil, notSeated()
		}
		sent = append(sent, lesson.Slate{Child: slate.Learner, Mark: lesson.SlateMark(slate.Mark), Answer: strings.TrimSpace(slate.Answer)})
	}
	if err := kept.CheckSlates(ask.Nth, sent); err != nil {
		return r, nil, wrongRound(err)
	}
	how := map[string]book.Way{}
	explained := map[string]bool{}
	for _, t := range ask.Turns {
		if !seated[t.Learner] {
			return r, nil, notSeated()
		}
		if t.Way != "" && !slices.Contains(book.Ways(), book.Way(t.Way)) {
			return r, nil, wrongRound(book.ErrWay)
		}
		learner := uuid.MustParse(t.Learner)
		r.Turns = slices.DeleteFunc(r.Turns, func(before store.RoundTurn) bool { return before.LearnerID == learner })
		r.Turns = append(r.Turns, store.RoundTurn{LearnerID: learner, Took: t.Took, Way: book.Way(t.Way)})
		how[t.Learner], explained[t.Learner] = book.Way(t.Way), t.Took
	}
	if !kept.Items[ask.Nth].Slated() {
		return r, nil, nil
	}
	var seenAt sql.NullTime
	if at, err := time.Parse(time.RFC3339, ask.SeenAt); err == nil {
		seenAt = sql.NullTime{Time: at, Valid: at.Year() >= 2000 && at.Before(s.now().Add(time.Minute))}
	}
	var seen []store.Observation
	r.Slates = kept.AllSlates(sent, seated)
	for _, slate := range r.Slates {
		o, shows := kept.Evidence(ask.Nth, slate, explained[slate.Child], how[slate.Child], r.Day)
		if !shows {
			continue
		}
		if err := o.Valid(today); err != nil {
			return r, nil, wrongRound(err)
		}
		learner := uuid.MustParse(slate.Child)
		seen = append(seen, store.Observation{
			Observation: o, ID: uuid.NewSHA1(r.ID, learner[:]), ClassID: c.class.ID, LearnerID: learner, LessonID: uuid.NullUUID{UUID: kept.ID, Valid: true}, Nth: ask.Nth, RecordedBy: c.account.ID, RecordedAt: s.now(), SeenAt: seenAt,
		})
	}
	return r, seen, nil
}

func wrongRound(err error) *trouble {
	return refuse(fiber.StatusUnprocessableEntity, "This round cannot be kept", "Correct it and keep it again: what you touched is still here.").because(err)
}

// setSeats keeps how the class sits.
func (s *Server) setSeats(c *call) error {
	var ask wire.SeatPlan
	if err := read(c, &ask); err != nil {
		return err
	}
	plan := make([]store.ClassSeat, len(ask.Seats))
	for i, seat := range ask.Seats {
		plan[i] = store.ClassSeat{LearnerID: uuid.MustParse(seat.Learner), X: seat.X, Y: seat.Y}
	}
	switch err := s.store.SetSeatPlan(c.Context(), c.class.ID, ask.Revision, plan); {
	case errors.Is(err, store.ErrNone):
		return refuse(fiber.StatusUnprocessableEntity, "A child of this plan is not in the class", "Reload the page: it shows who is in the class now.").of("seats")
	case errors.Is(err, store.ErrSameSeat):
		return refuse(fiber.StatusUnprocessableEntity, "Two children have the same seat", "Move one of them.").of("seats")
	case errors.Is(err, store.ErrStale):
		return refuse(fiber.StatusConflict, "The seats were moved elsewhere", "Look at them as they are now, then move them again.").of("seats")
	case err != nil:
		return err
	}
	return c.JSON(wire.SeatPlan{Revision: ask.Revision + 1, Seats: ask.Seats})
}
