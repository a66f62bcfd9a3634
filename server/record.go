package server

import (
	"database/sql"
	"errors"
	"math/rand/v2"
	"slices"
	"strings"
	"time"

	"github.com/gofiber/fiber/v3"
	"github.com/google/uuid"

	"vineswap/core/book"
	"vineswap/core/lesson"
	"vineswap/core/place"
	"vineswap/store"
	"vineswap/wire"
)

// today is the day in the class's zone.
func (s *Server) today(c *call) (book.Day, *time.Location, error) {
	zone, err := time.LoadLocation(c.class.Zone)
	if err != nil {
		return 0, nil, err
	}
	return book.DayOf(s.now().In(zone)), zone, nil
}

// record answers the page on which a lesson is written up.
func (s *Server) record(c *call) error {
	id, err := uuid.Parse(c.Params("lesson"))
	if err != nil {
		return notFound()
	}
	kept, err := s.store.Lesson(c.Context(), c.class.ID, id)
	if err != nil {
		return missing(err)
	}
	made, err := s.wireRecord(c, kept)
	if err != nil {
		return err
	}
	return c.JSON(made)
}

func (s *Server) wireRecord(c *call, kept store.Lesson) (wire.Record, error) {
	link, _, err := s.linkOf(c, kept)
	if err != nil {
		return wire.Record{}, err
	}
	today, zone, err := s.today(c)
	if err != nil {
		return wire.Record{}, err
	}
	seen, err := s.store.LessonObservations(c.Context(), kept.ID)
	if err != nil {
		return wire.Record{}, err
	}
	words := c.class.Settings.Words()
	children := []wire.Learner{}
	for _, l := range kept.Seated {
		children = append(children, wire.Learner{ID: l.ID.String(), Name: l.Name})
	}
	out := wire.Record{
		Link: link, Revision: kept.Revision, Index: kept.Nth, Children: children, Tasks: []wire.Worked{},
		Helps: wire.HelpsOf(), Ways: wire.WaysOf(), Day: book.DayOf(kept.ChangedAt.In(zone)).String(), Today: today.String(), Slips: map[string]wire.SlipSays{},
	}
	if kept.Stand != lesson.Ended {
		lacks, err := s.lacks(c, kept.Children)
		if err != nil {
			return out, err
		}
		item, wish, err := kept.Another(0, lacks(kept.Key(kept.Nth)))
		if out.More = err == nil; wish.Skill != "" {
			out.MoreFor = words.MoreFor(kept.Seated[wish.Seat].Name, item.Stage, wish.Skill)
		}
	}
	entries := map[string]wire.Entry{}
	for _, o := range seen {
		entries[o.ID.String()] = wire.EntryOf(words, keptOf(o, zone), today, c.role.May(store.Lead))
	}
	for nth := range kept.Items {
		out.Tasks = append(out.Tasks, wire.WorkedOf(c.class.Settings, kept.Lesson, nth, children, kept.Rows(nth, store.Records(seen)), entries, out.Slips))
	}
	return out, s.addEstimates(c, kept, &out)
}

func (s *Server) addEstimates(c *call, kept store.Lesson, out *wire.Record) error {
	timed, err := s.store.Counts(c.Context(), kept.ID)
	if err != nil {
		return err
	}
	for _, t := range timed {
		if t.Nth < len(out.Tasks) {
			at := &out.Tasks[t.Nth]
			at.Counts = append(at.Counts, wire.TimedCount{Learner: t.LearnerID.String(), Seconds: t.Seconds})
		}
	}
	said, err := s.store.Estimates(c.Context(), kept.ID)
	if err != nil {
		return err
	}
	for _, e := range said {
		if e.Nth < len(out.Tasks) {
			at := &out.Tasks[e.Nth]
			at.Estimates = append(at.Estimates, wire.Estimate{Learner: e.LearnerID.String(), Value: int(e.Value), Off: kept.Off(e.Nth, e.Value)})
		}
	}
	return nil
}

func keptOf(o store.Observation, zone *time.Location) wire.Kept {
	at := o.RecordedAt
	if o.SeenAt.Valid {
		at = o.SeenAt.Time
	}
	return wire.Kept{Record: o.Record(), Note: o.Note, By: o.By, Current: o.Current, At: at.In(zone)}
}

// observe keeps who did what at a problem of a lesson, also after the lesson has
// ended and the child has left; it answers what is kept.
func (s *Server) observe(c *call) error {
	var ask wire.Observe
	kept, err := s.lessonAsked(c, &ask)
	if err != nil {
		return err
	}
	notice, err := s.mayObserve(c, kept, uuid.MustParse(ask.Learner))
	if err != nil {
		return err
	}
	o, err := s.observationOf(c, kept, ask)
	if err != nil {
		return err
	}
	if err := s.store.Record(c.Context(), o, ask.AnotherRun); err != nil {
		return s.notRecorded(c, kept, err)
	}
	today, zone, err := s.today(c)
	if err != nil {
		return err
	}
	o.By, o.Current = c.account.Name, true
	return c.JSON(wire.Recorded{
		Entry: wire.EntryOf(c.class.Settings.Words(), keptOf(o, zone), today, c.role.May(store.Lead)), Written: !o.Record().Undone(), Notice: notice,
	})
}

// mayObserve tells who may not record a child, and what is to be known of one who is
// recorded after it has left: that is the lead's affair, and no assistant's.
func (s *Server) mayObserve(c *call, kept store.Lesson, learner uuid.UUID) (notice string, err error) {
	if slices.ContainsFunc(kept.Seated, func(seat store.Seat) bool { return seat.ID == learner && seat.Here }) {
		return "", nil
	}
	e, err := s.store.LatestEnrolment(c.Context(), c.class.ID, learner)
	switch {
	case errors.Is(err, store.ErrErased):
		return "", erased()
	case err != nil && !errors.Is(err, store.ErrNone):
		return "", err
	case err == nil && !e.Until.Valid:
		return "", nil
	case c.role != store.Lead:
		return "", refuse(fiber.StatusUnprocessableEntity, "This child has left the class", "Only the lead of the class can still record it.").of("learner")
	case err != nil:
		return "Kept. The child is in another class now, and the record goes there too.", nil
	}
	return "Kept. " + e.Name + " has left the class: the record stays with what is known.", nil
}

func erased() *trouble {
	t := refuse(fiber.StatusUnprocessableEntity, "This child was erased", "Nothing about the child is kept, and nothing can be recorded.").of("learner")
	t.Erased = true
	return t
}

// observationOf reads what is to be kept; the error names the field.
func (s *Server) observationOf(c *call, kept store.Lesson, ask wire.Observe) (store.Observation, error) {
	today, zone, err := s.today(c)
	if err != nil {
		return store.Observation{}, err
	}
	if ask.Nth >= len(kept.Items) {
		return store.Observation{}, wrongRecord(lesson.ErrTask).of("nth")
	}
	o := store.Observation{LearnerID: uuid.MustParse(ask.Learner), LessonID: uuid.NullUUID{UUID: kept.ID, Valid: true}, Nth: ask.Nth}
	o.Task, o.Stage, o.Material = kept.Items[ask.Nth].Task, kept.Items[ask.Nth].Stage, kept.InHand(ask.Nth)
	if o.Day = today; kept.Stand == lesson.Ended {
		o.Day = book.DayOf(kept.ChangedAt.In(zone))
	}
	if err := s.fill(c, &o, ask, today); err != nil {
		return o, err
	}
	return o, s.correcting(c, kept, &o, ask)
}

// fill puts what was sent into a record of a task.
func (s *Server) fill(c *call, o *store.Observation, ask wire.Observe, today book.Day) (err error) {
	o.ID, o.ClassID, o.Withdrawn, o.RecordedBy, o.RecordedAt = uuid.MustParse(ask.ID), c.class.ID, ask.Withdrawn, c.account.ID, s.now()
	o.Manner, o.Help, o.Way, o.Came = book.Manner(ask.Manner), book.Help(ask.Help), book.Way(ask.Way), book.Came(ask.Came)
	o.Answer, o.Chosen, o.Runs = strings.TrimSpace(ask.Answer), ask.Chosen, ask.Runs
	if at, err := time.Parse(time.RFC3339, ask.SeenAt); err == nil { // a clock that goes ahead is not believed
		o.SeenAt = sql.NullTime{Time: at, Valid: at.Year() >= 2000 && at.Before(s.now().Add(time.Minute))}
	}
	o.Part = 0
	for _, name := range ask.Part {
		at, err := place.Parse(name)
		if err != nil {
			return wrongRecord(err).of("part")
		}
		o.Part |= place.SetOf(at)
	}
	if ask.Day != "" {
		if o.Day, err = book.ParseDay(ask.Day); err != nil {
			return wrongRecord(err).of("day")
		}
	}
	if err := o.Valid(today); err != nil {
		return wrongRecord(err).of(recordField(err))
	}
	return nil
}

// correct keeps a correction of any record of a child, from its own page; it answers
// the page as it is then.
func (s *Server) correct(c *call) error {
	e, err := s.enrolled(c)
	if err != nil {
		return err
	}
	var ask wire.Observe
	if err := read(c, &ask); err != nil {
		return err
	}
	today, _, err := s.today(c)
	if err != nil {
		return err
	}
	replaces, err := uuid.Parse(ask.Replaces)
	var o store.Observation
	if err == nil {
		o, err = s.store.Observation(c.Context(), e.ID, replaces)
	}
	switch {
	case errors.Is(err, store.ErrNone) || o.ID == uuid.Nil && !store.Unavailable(err):
		return refuse(fiber.StatusUnprocessableEntity, "There is no such record of this child", "Reload the page and look at it as it is now.").of("replaces")
	case err != nil:
		return err
	case o.ClassID != c.class.ID:
		return refuse(fiber.StatusUnprocessableEntity, "This was recorded in another class", "Only that class can correct it.").of("replaces")
	}
	o.Replaces = uuid.NullUUID{UUID: o.ID, Valid: true}
	if err := s.fill(c, &o, ask, today); err != nil {
		return err
	}
	if e.Until.Valid && c.role != store.Lead {
		return refuse(fiber.StatusUnprocessableEntity, "This child has left the class", "Only the lead of the class can still correct its records.").of("learner")
	}
	if ask.Note != nil {
		o.Note = *ask.Note
	}
	err = s.store.Record(c.Context(), o, false)
	switch {
	case errors.Is(err, store.ErrStale):
		return refuse(fiber.StatusConflict, "This record was corrected elsewhere", "Look at it as it is now, then correct it again.").of("replaces")
	case errors.Is(err, store.ErrTaken):
		return refuse(fiber.StatusConflict, "This record's id is already used", "Keep it once more.").of("id")
	case err != nil:
		return missing(err)
	}
	return s.answerLearner(c, e)
}

// correcting sees to what a record has to do with others: a correction keeps the
// note that it does not touch, and a first record is of a child at the mat.
func (s *Server) correcting(c *call, kept store.Lesson, o *store.Observation, ask wire.Observe) error {
	if ask.Note != nil {
		o.Note = *ask.Note
	}
	if ask.Replaces == "" {
		for _, seated := range kept.Seated {
			if seated.ID == o.LearnerID {
				return nil
			}
		}
		return notSeated()
	}
	o.Replaces = uuid.NullUUID{UUID: uuid.MustParse(ask.Replaces), Valid: true}
	if ask.Note != nil {
		return nil
	}
	seen, err := s.store.LessonObservations(c.Context(), kept.ID)
	for _, old := range seen {
		if old.ID == o.Replaces.UUID {
			o.Note = old.Note
		}
	}
	return err
}

func notSeated() *trouble {
	return refuse(fiber.StatusUnprocessableEntity, "This child is not in the lesson", "Add the child to the lesson first. A child who was erased can no longer be recorded.").of("learner")
}

func wrongRecord(err error) *trouble {
	return refuse(fiber.StatusUnprocessableEntity, "This cannot be kept", "Correct it and keep it again: what you typed is still here.").because(err)
}

func recordField(err error) string {
	for field, cause := range map[string]error{"manner": book.ErrManner, "help": book.ErrHelp, "way": book.ErrWay, "came": book.ErrCame, "runs": book.ErrRuns, "part": book.ErrPart, "day": book.ErrFuture} {
		if errors.Is(err, cause) {
			return field
		}
	}
	return "answer"
}

// notRecorded says why nothing was kept, with the page as it is now.
func (s *Server) notRecorded(c *call, kept store.Lesson, err error) error {
	var t *trouble
	switch {
	case errors.Is(err, store.ErrTwice):
		t = refuse(fiber.StatusConflict, "This child already has a record for this problem", "Keep both if the child did it twice, or only one of them.").of("learner")
	case errors.Is(err, store.ErrStale):
		t = refuse(fiber.StatusConflict, "This record was corrected elsewhere", "Look at it as it is now, then correct it again.").of("replaces")
	case errors.Is(err, store.ErrTaken):
		return refuse(fiber.StatusConflict, "This record's id is already used", "Keep it once more.").of("id")
	case errors.Is(err, store.ErrErased):
		return erased()
	case errors.Is(err, store.ErrNone):
		return refuse(fiber.StatusUnprocessableEntity, "There is nothing to correct", "The record that is corrected is another child's, or is gone.").of("replaces")
	default:
		return err
	}
	now, err := s.wireRecord(c, kept)
	if err != nil {
		return err
	}
	t.Record = &now
	return t
}

// timed keeps how long a child took to count.
func (s *Server) timed(c *call) error {
	var ask wire.Timed
	kept, err := s.lessonAsked(c, &ask)
	if err != nil {
		return err
	}
	if ask.Nth >= len(kept.Items) {
		return wrongRecord(lesson.ErrTask).of("nth")
	}
	err = s.store.AddCount(c.Context(), store.TimedCount{ID: uuid.MustParse(ask.ID), LessonID: kept.ID, Nth: ask.Nth, LearnerID: uuid.MustParse(ask.Learner), Seconds: ask.Seconds, CountedBy: c.account.ID})
	switch {
	case errors.Is(err, store.ErrTaken):
		return refuse(fiber.StatusConflict, "The id of this count is already used", "Count once more.").of("id")
	case errors.Is(err, store.ErrNone):
		return wrongChild()
	case err != nil:
		return err
	}
	made, err := s.wireRecord(c, kept)
	if err != nil {
		return err
	}
	return c.JSON(made)
}

// estimate locks what a child said before the work.
func (s *Server) estimate(c *call) error {
	var ask wire.Say
	kept, err := s.lessonAsked(c, &ask)
	if err != nil {
		return err
	}
	if ask.Nth != kept.Nth || !kept.MayEstimate() {
		return refuse(fiber.StatusConflict, "The counting has begun", "An estimate comes before the work.").of("value")
	}
	err = s.store.Estimate(c.Context(), store.Estimate{LessonID: kept.ID, Nth: ask.Nth, LearnerID: uuid.MustParse(ask.Learner), Value: place.Number(ask.Value), SaidTo: c.account.ID})
	switch {
	case errors.Is(err, store.ErrTaken):
		return refuse(fiber.StatusConflict, "This child has already said an estimate", "It stays as it was said.").because(err).of("value")
	case errors.Is(err, store.ErrNone):
		return wrongChild()
	case err != nil:
		return err
	}
	made, err := s.wireRecord(c, kept)
	if err != nil {
		return err
	}
	return c.JSON(made)
}

// another draws one more task for a lesson, by what its children have still to show.
func (s *Server) another(c *call, l lesson.Lesson) (lesson.Change, error) {
	lacks, err := s.lacks(c, l.Children)
	if err != nil {
		return lesson.Change{}, err
	}
	item, _, err := l.Another(rand.Uint64(), lacks(l.Key(l.Nth)))
	if err != nil {
		return lesson.Change{}, refuse(fiber.StatusUnprocessableEntity, "There is no other task like this one", "Choose other numbers in Numbers.").because(err).of("more")
	}
	return lesson.Change{Add: &item}, nil
}
