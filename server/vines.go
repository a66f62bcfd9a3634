package server

import (
	"bytes"
	"errors"
	"slices"
	"strings"
	"time"

	"github.com/gofiber/fiber/v3"
	"github.com/google/uuid"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/group"
	"vineswap/core/ladder"
	"vineswap/core/lesson"
	"vineswap/core/say"
	"vineswap/formats"
	"vineswap/store"
	"vineswap/wire"
)

// children reads who is in the class, how each stands, and what of the class bears
// on it.
func (s *Server) children(c *call) (ladder.Class, []group.Child, error) {
	learners, err := s.store.Learners(c.Context(), c.class.ID)
	if err != nil {
		return ladder.Class{}, nil, err
	}
	class, stands, err := s.store.Stands(c.Context(), c.class.ID)
	if err != nil {
		return class, nil, err
	}
	out := make([]group.Child, len(learners))
	for i, l := range learners {
		out[i] = group.Child{ID: l.ID.String(), Name: l.Name, Child: stands[l.ID]}
		out[i].Class = class // also of whom nothing is recorded
	}
	return class, out, nil
}

// vines answers the class in one strand.
func (s *Server) vines(c *call) error {
	strand := ladder.Strand(c.Query("strand", string(ladder.Joining)))
	if !slices.Contains(ladder.Strands(), strand) {
		return refuse(fiber.StatusUnprocessableEntity, "There is no such strand", "Choose one of those on the shelf.").of("strand")
	}
	order := group.Order(c.Query("order", string(group.ByNeed)))
	if !slices.Contains(group.Orders(), order) {
		return refuse(fiber.StatusUnprocessableEntity, "There is no such order", "Choose one of those on the shelf.").of("order")
	}
	var near choose.StageID
	if asked := c.Query("stage"); asked != "" {
		stage, known := ladder.StageByID(choose.StageID(asked))
		if !known || ladder.StrandOf(stage.ID) != strand {
			return refuse(fiber.StatusUnprocessableEntity, "There is no such stage in this strand", "Point at one of the stages.").of("stage")
		}
		near = stage.ID
	}
	today, _, err := s.today(c)
	if err != nil {
		return err
	}
	class, children, err := s.children(c)
	if err != nil {
		return err
	}
	return c.JSON(wire.VinesOf(c.class.Settings.Words(), class, children, strand, order, near, today))
}

// enrolled finds the learner that a route names, as the class has it.
func (s *Server) enrolled(c *call) (store.Enrolled, error) {
	id, err := uuid.Parse(c.Params("learner"))
	if err != nil {
		return store.Enrolled{}, notFound()
	}
	e, err := s.store.LatestEnrolment(c.Context(), c.class.ID, id)
	return e, missing(err)
}

// learner answers one child with everything that is known.
func (s *Server) learner(c *call) error {
	e, err := s.enrolled(c)
	if err != nil {
		return err
	}
	return s.answerLearner(c, e)
}

func (s *Server) answerLearner(c *call, e store.Enrolled) error {
	today, zone, err := s.today(c)
	if err != nil {
		return err
	}
	child, err := s.store.StandOf(c.Context(), c.class.ID, e.ID)
	if err != nil {
		return err
	}
	_, children, err := s.children(c)
	if err != nil {
		return err
	}
	w := c.class.Settings.Words()
	out := wire.LearnerView{
		Learner: wire.Learner{ID: e.ID.String(), Name: e.Name}, Retired: e.Until.Valid, Says: w.Stands(child, today), Strands: wire.BranchesOf(w, child, today),
		Entries: []wire.Entry{}, Steps: wire.StepsOf(w, child, today), Judgements: []wire.Judgement{}, States: wire.StatesOf(), Others: wire.OthersOf(children, today),
		Helps: wire.HelpsOf(), Ways: wire.WaysOf(), Today: today.String(),
	}
	seen, err := s.store.Observations(c.Context(), e.ID)
	if err != nil {
		return err
	}
	for _, o := range seen {
		out.Entries = append(out.Entries, wire.EntryOf(w, keptOf(o, zone), today, c.role.May(store.Lead)))
	}
	judged, err := s.store.Overrules(c.Context(), e.ID)
	if err != nil {
		return err
	}
	for _, o := range slices.Backward(judged) {
		j := wire.Judgement{Day: say.ShortDay(o.Day, today), Says: w.Judged(o.Stage, o.Manner, o.State), By: o.By}
		if c.role.May(store.Lead) {
			j.Reason = o.Reason
		}
		out.Judgements = append(out.Judgements, j)
	}
	return c.JSON(out)
}

// overrule keeps a guide's own judgement, with its reason.
func (s *Server) overrule(c *call) error {
	e, err := s.enrolled(c)
	if err != nil {
		return err
	}
	var ask wire.Judge
	if err := read(c, &ask); err != nil {
		return err
	}
	today, _, err := s.today(c)
	if err != nil {
		return err
	}
	o := store.Overrule{
		Overrule: ladder.Overrule{State: ladder.State(ask.State), Reason: strings.TrimSpace(ask.Reason), Day: today}, ID: uuid.MustParse(ask.ID),
		ClassID: c.class.ID, LearnerID: e.ID, Stage: choose.StageID(ask.Stage), Manner: book.Manner(ask.Manner), JudgedBy: c.account.ID,
	}
	if err := o.Valid(ladder.Key{Stage: o.Stage, Manner: o.Manner}); err != nil {
		field := map[bool]string{true: "reason", false: "stage"}[errors.Is(err, ladder.ErrReason) || errors.Is(err, ladder.ErrLong)]
		return refuse(fiber.StatusUnprocessableEntity, "This judgement cannot be kept", "Write why you see it otherwise: the reason is kept with it.").because(err).of(field)
	}
	if err := s.store.Overrule(c.Context(), o); err != nil {
		return missing(err)
	}
	return s.answerLearner(c, e)
}

// morning answers what Today asks for.
func (s *Server) morning(c *call) error {
	today, zone, err := s.today(c)
	if err != nil {
		return err
	}
	class, children, err := s.children(c)
	if err != nil {
		return err
	}
	w := c.class.Settings.Words()
	out := wire.Today{Waited: []wire.Waited{}, Check: wire.ChecksOf(w, group.LookAgain(children, mostToCheck, today), today), Unwritten: []wire.Unwritten{}, Meetings: wire.MeetingsOf(w, group.Meetings(children, class, lesson.MostChildren, mostMeetings, today))}
	for _, waited := range group.Longest(children, mostWaiting, today) {
		out.Waited = append(out.Waited, wire.Waited{Learner: wire.Learner{ID: waited.ID, Name: waited.Name}, Days: waited.Days, Never: waited.Never, Says: say.Waits(waited.Days, waited.Never)})
	}
	if err := s.addUnwritten(c, &out, children, today, zone); err != nil {
		return err
	}
	if out.Done, err = s.lessonsOn(c, today, zone); err != nil {
		return err
	}
	return c.JSON(out)
}

// How many children Today names.
const (
	mostWaiting = 6
	mostToCheck = 6
	// mostMeetings is how many lessons it suggests.
	mostMeetings = 3
)

func (s *Server) addUnwritten(c *call, out *wire.Today, children []group.Child, today book.Day, zone *time.Location) error {
	held, records, err := s.store.Held(c.Context(), c.class.ID)
	if err != nil {
		return err
	}
	names, here := map[string]string{}, map[string]bool{}
	for _, child := range children {
		names[child.ID], here[child.ID] = child.Name, true
	}
	lessons := map[string][]string{}
	var order []string
	for _, spot := range lesson.Unwritten(held, here, records) {
		if lessons[spot.Lesson] == nil {
			order = append(order, spot.Lesson)
		}
		if name := names[spot.Learner]; !slices.Contains(lessons[spot.Lesson], name) {
			lessons[spot.Lesson] = append(lessons[spot.Lesson], name)
		}
	}
	for _, id := range order {
		l, err := s.store.Lesson(c.Context(), c.class.ID, uuid.MustParse(id))
		if err != nil {
			return err
		}
		out.Unwritten = append(out.Unwritten, wire.UnwrittenOf(c.class.Settings.Words(), id, l.Lesson, lessons[id], book.DayOf(l.ChangedAt.In(zone)), today))
	}
	return nil
}

// exported collects all that is kept of a learner.
func (s *Server) exported(c *call) (formats.Learner, error) {
	e, err := s.enrolled(c)
	if err != nil {
		return formats.Learner{}, err
	}
	out := formats.Learner{Name: e.Name, Class: c.class.Name}
	seen, err := s.store.Observations(c.Context(), e.ID)
	if err != nil {
		return out, err
	}
	for _, o := range slices.Backward(seen) {
		out.Records = append(out.Records, recordOf(o))
	}
	judged, err := s.store.Overrules(c.Context(), e.ID)
	if err != nil {
		return out, err
	}
	for _, o := range judged {
		out.Judgements = append(out.Judgements, formats.Judgement{Day: o.Day.String(), Stage: string(o.Stage), Manner: string(o.Manner), State: string(o.State), Reason: o.Reason, By: o.By})
	}
	said, err := s.store.EstimatesOf(c.Context(), e.ID)
	for _, x := range said {
		out.Estimates = append(out.Estimates, formats.Estimate{Day: x.Day.String(), Problem: x.Task.String(), Value: int(x.Value)})
	}
	return out, err
}

func recordOf(o store.Observation) formats.Record {
	r := formats.Record{
		ID: o.ID.String(), Day: o.Day.String(), Stage: string(ladder.Credit(o.Task, o.Stage)), Manner: string(o.Manner), Material: string(o.Material), Problem: o.Task.String(), Answer: o.Answer,
		Right: o.Right(), Help: string(o.Help), Way: string(o.Way), Came: string(o.Came), Chosen: o.Chosen, Run: o.Runs, Note: o.Note, Withdrawn: o.Withdrawn, RecordedBy: o.By, RecordedAt: o.RecordedAt.UTC(),
	}
	if o.Replaces.Valid {
		r.Replaces = o.Replaces.UUID.String()
	}
	return r
}

func (s *Server) exportJSON(c *call) error {
	return s.export(c, "learner.json", fiber.MIMEApplicationJSONCharsetUTF8, func(out *bytes.Buffer, l formats.Learner) error { return formats.WriteJSON(out, l) })
}

func (s *Server) exportCSV(c *call) error {
	return s.export(c, "learner.csv", "text/csv; charset=utf-8", func(out *bytes.Buffer, l formats.Learner) error { return formats.WriteCSV(out, l) })
}

func (s *Server) export(c *call, name, kind string, write func(*bytes.Buffer, formats.Learner) error) error {
	l, err := s.exported(c)
	if err != nil {
		return err
	}
	var out bytes.Buffer
	if err := write(&out, l); err != nil {
		return err
	}
	c.Attachment(name)
	c.Set(fiber.HeaderContentType, kind)
	return c.Send(out.Bytes())
}

// erase deletes a learner from every table.
func (s *Server) erase(c *call) error {
	e, err := s.enrolled(c)
	if err != nil {
		return err
	}
	if err := s.store.EraseLearner(c.Context(), c.class.ID, e.ID); err != nil {
		return missing(err)
	}
	return s.people(c)
}
