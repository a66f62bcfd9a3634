package server

import (
	"bytes"
	"errors"
	"fmt"
	"mime"
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
	now, err := s.children(c, today)
	if err != nil {
		return err
	}
	return s.lasting(c, now.version, "vines "+string(strand)+" "+string(order)+" "+string(near), func() (any, error) {
		return wire.VinesOf(c.class.Settings.Words(), c.class.Judged(), now.children, now.apart, strand, order, near, today), nil
	})
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
	today, _, err := s.today(c)
	if err != nil {
		return err
	}
	now, err := s.children(c, today)
	if err != nil {
		return err
	}
	if _, here := now.child(e.ID.String()); !here { // the class's version says nothing of one who has left
		return s.answerLearner(c, e)
	}
	return s.lasting(c, now.version, fmt.Sprint("learner ", e.ID, c.role.May(store.Lead)), func() (any, error) { return s.learnerView(c, e, now) })
}

func (s *Server) answerLearner(c *call, e store.Enrolled) error {
	today, _, err := s.today(c)
	if err != nil {
		return err
	}
	now, err := s.children(c, today)
	if err != nil {
		return err
	}
	out, err := s.learnerView(c, e, now)
	if err != nil {
		return err
	}
	return c.JSON(out)
}

func (s *Server) learnerView(c *call, e store.Enrolled, now seenClass) (wire.LearnerView, error) {
	today, zone, err := s.today(c)
	if err != nil {
		return wire.LearnerView{}, err
	}
	child, here := now.child(e.ID.String())
	if !here {
		if child, err = s.store.StandOf(c.Context(), c.class, e.ID); err != nil {
			return wire.LearnerView{}, err
		}
		child = child.On(today)
	}
	w := c.class.Settings.Words()
	out := wire.LearnerView{
		Learner: wire.Learner{ID: e.ID.String(), Name: e.Name}, Retired: e.Until.Valid, Says: w.Stands(child, today), Strands: wire.BranchesOf(w, child, today),
		Steps: wire.StepsOf(w, child, today), Judgements: []wire.Judgement{}, States: wire.StatesOf(), Others: now.others(),
		Helps: wire.HelpsOf(), Ways: wire.WaysOf(), Today: today.String(),
	}
	out.Wrong = wire.GoesWrongOf(c.class.Settings, lesson.Suspects(child, c.class.Settings.Range, uint64(e.ID.ID())), today)
	if out.Part, err = s.part(c, e.ID, uuid.Nil, today, zone); err != nil {
		return out, err
	}
	if out.Records, err = s.store.CountObservations(c.Context(), e.ID); err != nil {
		return out, err
	}
	judged, err := s.store.Overrules(c.Context(), e.ID)
	for _, o := range slices.Backward(judged) {
		j := wire.Judgement{Day: say.ShortDay(o.Day, today), Says: w.Judged(o.Stage, o.Manner, o.State), By: o.By}
		if c.role.May(store.Lead) {
			j.Reason = o.Reason
		}
		out.Judgements = append(out.Judgements, j)
	}
	return out, err
}

// mostEntries is how many records of a child are answered at once.
const mostEntries = 30

// entries answers the next part of what is recorded of a child.
func (s *Server) entries(c *call) error {
	e, err := s.enrolled(c)
	if err != nil {
		return err
	}
	after := uuid.Nil
	if asked := c.Query("after"); asked != "" {
		if after, err = uuid.Parse(asked); err != nil {
			return refuse(fiber.StatusUnprocessableEntity, "There is no such record", "Reload the page.").of("after")
		}
	}
	today, zone, err := s.today(c)
	if err != nil {
		return err
	}
	part, err := s.part(c, e.ID, after, today, zone)
	if err != nil {
		return err
	}
	return c.JSON(part)
}

// part reads some records of a child, the newest first.
func (s *Server) part(c *call, learner, after uuid.UUID, today book.Day, zone *time.Location) (wire.EntryPart, error) {
	seen, err := s.store.ObservationsPart(c.Context(), learner, store.ObservationPart{After: after, Most: mostEntries + 1})
	out := wire.EntryPart{Entries: []wire.Entry{}, More: len(seen) > mostEntries}
	for _, o := range seen[:min(len(seen), mostEntries)] {
		out.Entries = append(out.Entries, wire.EntryOf(c.class.Settings.Words(), keptOf(o, zone), today, c.role.May(store.Lead)))
	}
	return out, err
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
	if err := s.store.Overrule(c.Context(), o); errors.Is(err, store.ErrTaken) {
		return refuse(fiber.StatusConflict, "This judgement's id is already used", "Keep it once more.").of("id")
	} else if err != nil {
		return missing(err)
	}
	return s.answerLearner(c, e)
}

// exported collects all that is kept of a learner.
func (s *Server) exported(c *call) (formats.Learner, error) {
	e, err := s.enrolled(c)
	if err != nil {
		return formats.Learner{}, err
	}
	today, _, err := s.today(c)
	if err != nil {
		return formats.Learner{}, err
	}
	out := formats.Learner{Name: e.Name, Class: c.class.Name, Day: today.String(), Told: string(e.Told)}
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
	timed, err := s.store.CountsOf(c.Context(), e.ID)
	if err != nil {
		return out, err
	}
	for _, x := range timed {
		out.Counts = append(out.Counts, formats.Count{Day: x.Day.String(), Problem: x.Task.String(), Seconds: x.Seconds})
	}
	slates, err := s.store.SlatesOf(c.Context(), e.ID)
	if err != nil {
		return out, err
	}
	for _, x := range slates {
		out.Slates = append(out.Slates, formats.Slate{Day: x.Day.String(), Mark: string(x.Mark), Answer: x.Answer, Turn: x.Turn(), Way: string(x.Way)})
	}
	minutes, err := s.store.Minutes(c.Context(), []uuid.UUID{e.ID})
	if err != nil {
		return out, err
	}
	for _, x := range minutes {
		out.Minutes = append(out.Minutes, formats.Minute{Day: x.Day.String(), Facts: string(x.Facts), Seconds: x.Seconds, Tried: x.Tried, Right: x.Right})
	}
	said, err := s.store.EstimatesOf(c.Context(), e.ID)
	for _, x := range said {
		out.Estimates = append(out.Estimates, formats.Estimate{Day: x.Day.String(), Problem: x.Task.String(), Value: int(x.Value)})
	}
	return out, err
}

func recordOf(o store.Observation) formats.Record {
	r := formats.Record{
		ID: o.ID.String(), Day: o.Day.String(), Stage: string(ladder.Credit(o.Task, o.Stage)), Manner: string(o.Manner), Material: string(o.Material), Problem: o.Task.String(), Part: o.Part.String(), Answer: o.Answer,
		Right: o.Right(), Help: string(o.Help), Way: string(o.Way), Came: string(o.Came), Chosen: o.Chosen, Run: o.Runs, Whole: o.Whole, Paper: o.Paper, Note: o.Note, Withdrawn: o.Withdrawn, RecordedBy: o.By, RecordedAt: o.RecordedAt.UTC(),
	}
	if o.Replaces.Valid {
		r.Replaces = o.Replaces.UUID.String()
	}
	if o.SeenAt.Valid {
		r.SeenAt = o.SeenAt.Time.UTC().Format(time.RFC3339)
	}
	return r
}

func (s *Server) exportJSON(c *call) error {
	return s.export(c, ".json", fiber.MIMEApplicationJSONCharsetUTF8, func(out *bytes.Buffer, l formats.Learner) error { return formats.WriteJSON(out, l) })
}

func (s *Server) exportCSV(c *call) error {
	return s.export(c, ".csv", "text/csv; charset=utf-8", func(out *bytes.Buffer, l formats.Learner) error { return formats.WriteCSV(out, l) })
}

func (s *Server) export(c *call, ending, kind string, write func(*bytes.Buffer, formats.Learner) error) error {
	l, err := s.exported(c)
	if err != nil {
		return err
	}
	var out bytes.Buffer
	if err := write(&out, l); err != nil {
		return err
	}
	c.Set(fiber.HeaderContentDisposition, mime.FormatMediaType("attachment", map[string]string{"filename": l.FileName(ending)}))
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
