package server

import (
	"errors"
	"fmt"
	"hash/fnv"
	"slices"
	"time"

	"github.com/gofiber/fiber/v3"
	"github.com/google/uuid"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/group"
	"vineswap/core/ladder"
	"vineswap/core/lesson"
	"vineswap/core/say"
	"vineswap/core/setting"
	"vineswap/core/task"
	"vineswap/store"
	"vineswap/wire"
)

// suggested is a lesson that suggests itself, with the tasks that it begins with and the
// minutes that they take.
type suggested struct {
	group.Meeting
	items   []lesson.Item
	minutes int
}

// How many children and lessons Today names.
const (
	mostWaiting   = 6
	mostToCheck   = 6
	mostUnwritten = 12
	// mostMeetings is how many lessons it suggests to a guide alone, and one more for each
	// adult who helps.
	mostMeetings = 3
	// notAgainFor is for how many days numbers that a child had are not drawn for it again.
	notAgainFor = 30
)

// morning answers what Today asks for.
func (s *Server) morning(c *call) error {
	today, zone, err := s.today(c)
	if err != nil {
		return err
	}
	now, err := s.children(c, today)
	if err != nil {
		return err
	}
	off, err := s.store.PutOffs(c.Context(), c.class.ID)
	if err != nil {
		return err
	}
	list, err := now.morning.with(off, c.class.Helpers, func() ([]suggested, error) { return s.suggest(c, now, off, today) })
	if err != nil {
		return err
	}
	out := morningOf(c.class, now.children, list, off, today)
	if err := s.addUnwritten(c, &out, now.children, today, zone); err != nil {
		return err
	}
	if out.Done, err = s.lessonsOn(c, today, zone); err != nil {
		return err
	}
	return c.JSON(out)
}

// suggest works out which lessons suggest themselves for those who are here, and draws their
// numbers.
func (s *Server) suggest(c *call, now seenClass, off []group.PutOff, today book.Day) ([]suggested, error) {
	here := slices.DeleteFunc(slices.Clone(now.children), func(c group.Child) bool { return c.Away })
	list := group.Meetings(here, group.Day{Today: today, Seats: lesson.MostChildren, Most: mostMeetings + c.class.Helpers, Apart: now.apart, Off: off})
	had, err := s.hadLately(c, list, today)
	if err != nil {
		return nil, err
	}
	out := make([]suggested, 0, len(list))
	for _, m := range list {
		made := suggested{Meeting: m}
		made.items, err = wantedFor(m, c.class.Settings, had).Draw(seedOf(m, today))
		if errors.Is(err, lesson.ErrNoMore) { // the stage has numbers, but none that the class's go as far as
			stage, _ := ladder.StageByID(m.Stage)
			made.items, err = []lesson.Item{{Task: stage.Example, Stage: m.Stage, Manner: m.Manner}}, nil
		}
		if err != nil {
			return nil, err
		}
		for i := range made.items {
			l, err := lesson.New(made.items[i:i+1], c.class.Settings.Material, nil)
			if err != nil {
				return nil, err
			}
			view, err := l.Open(say.Words{}, c.class.Settings.Method())
			if err != nil {
				return nil, err
			}
			made.minutes += view.Needs.Minutes
		}
		out = append(out, made)
	}
	return out, nil
}

// hadLately reads what the children of some lessons had lately, by the child.
func (s *Server) hadLately(c *call, list []group.Meeting, today book.Day) (map[string][]task.Task, error) {
	var ids []uuid.UUID
	for _, m := range list {
		for _, seat := range m.Seats {
			ids = append(ids, uuid.MustParse(seat.ID))
		}
	}
	return s.store.WorkedBy(c.Context(), c.class.ID, ids, today-notAgainFor+1)
}

func wantedFor(m group.Meeting, class setting.Class, had map[string][]task.Task) lesson.Wanted {
	w := lesson.Wanted{Key: m.Key, Range: class.Range, Owned: class.Beads()}
	for _, seat := range m.Seats {
		w.Had = append(w.Had, had[seat.ID]...)
		skills, beads := seat.Lacks(m.Key)
		w.Lacks = append(w.Lacks, lesson.Lack{Skills: skills, Beads: beads})
		if seat.Step.Kind == ladder.GoBack && len(seat.Step.Lobe.Slips) > 0 {
			w.Slips = append(w.Slips, seat.Step.Lobe.Slips[0])
		}
		if m.Leaving {
			w.With = seat.Step.Lobe.Manner
		}
	}
	if m.Leaving {
		w.Lacks = nil // nothing is lacked: it is secure with pieces
	}
	return w
}

// seedOf draws the same numbers for a lesson all day.
func seedOf(m group.Meeting, today book.Day) uint64 {
	sum := fnv.New64a()
	fmt.Fprintln(sum, int(today), m.Kind)
	for _, seat := range m.Seats {
		fmt.Fprintln(sum, seat.ID)
	}
	return sum.Sum64()
}

// morningOf says who waited, what wants to be looked at, which lessons suggest themselves
// and which of them fit into the day.
func morningOf(class store.Class, children []group.Child, list []suggested, off []group.PutOff, today book.Day) wire.Today {
	w := class.Settings.Words()
	out := wire.Today{
		Waited: []wire.Waited{}, Check: wire.ChecksOf(w, group.LookAgain(children, mostToCheck, today), today), Unwritten: []wire.Unwritten{}, Meetings: []wire.Meeting{},
		Away: []string{}, Off: []wire.Off{}, Minutes: class.Minutes, Helpers: class.Helpers, Whys: wire.WhysOf(),
	}
	names := map[string]string{}
	for _, c := range children {
		names[c.ID] = c.Name
		if c.Away {
			out.Away = append(out.Away, c.ID)
		}
	}
	for _, o := range off {
		if o.On == today {
			out.Off = append(out.Off, wire.OffOf(w, o, names))
		}
	}
	minutes := make([]int, len(list))
	for i, m := range list {
		minutes[i] = m.minutes
	}
	for i, fits := range group.Fits(minutes, class.Minutes, 1+class.Helpers) {
		out.Meetings = append(out.Meetings, wire.MeetingOf(class.Settings, list[i].Meeting, list[i].items, list[i].minutes, fits, today))
	}
	slices.SortStableFunc(out.Meetings, func(a, b wire.Meeting) int {
		switch {
		case a.Fits == b.Fits:
			return 0
		case a.Fits:
			return -1
		}
		return 1
	})
	for _, waited := range group.Longest(children, mostWaiting, today) {
		out.Waited = append(out.Waited, wire.Waited{Learner: wire.Learner{ID: waited.ID, Name: waited.Name}, Days: waited.Days, Never: waited.Never, Says: say.Waits(waited.Days, waited.Never)})
	}
	return out
}

func (s *Server) addUnwritten(c *call, out *wire.Today, children []group.Child, today book.Day, zone *time.Location) error {
	list, err := s.store.Unwritten(c.Context(), c.class.ID, mostUnwritten)
	if err != nil {
		return err
	}
	names := map[string]string{}
	for _, child := range children {
		names[child.ID] = child.Name
	}
	of := map[string][]string{} // the children, by lesson
	var ids []uuid.UUID
	for _, spot := range list {
		if of[spot.Lesson] == nil {
			ids = append(ids, uuid.MustParse(spot.Lesson))
		}
		if name := names[spot.Learner]; !slices.Contains(of[spot.Lesson], name) {
			of[spot.Lesson] = append(of[spot.Lesson], name)
		}
	}
	lessons, err := s.store.Lessons(c.Context(), c.class.ID, ids)
	for _, l := range lessons {
		out.Unwritten = append(out.Unwritten, wire.UnwrittenOf(c.class.Settings.Words(), l.ID.String(), l.Lesson, of[l.ID.String()], book.DayOf(l.ChangedAt.In(zone)), today))
	}
	return err
}

// setAway keeps that a child is not here today, or is, and answers Today.
func (s *Server) setAway(c *call) error {
	var ask wire.SetAway
	if err := read(c, &ask); err != nil {
		return err
	}
	today, _, err := s.today(c)
	if err != nil {
		return err
	}
	switch err := s.store.SetAway(c.Context(), c.class.ID, uuid.MustParse(ask.Learner), today, ask.Away); {
	case errors.Is(err, store.ErrNone):
		return refuse(fiber.StatusUnprocessableEntity, "This child is not in the class", "Load the page again.").of("learner")
	case err != nil:
		return err
	}
	return s.morning(c)
}

// setDay keeps how many minutes there are for lessons, and how many adults help, and answers
// Today.
func (s *Server) setDay(c *call) error {
	var ask wire.SetDay
	if err := read(c, &ask); err != nil {
		return err
	}
	if err := s.store.SetDay(c.Context(), c.class.ID, ask.Minutes, ask.Helpers); err != nil {
		return err
	}
	c.class.Minutes, c.class.Helpers = ask.Minutes, ask.Helpers
	return s.morning(c)
}

// putOff keeps that a suggested lesson is put off, or takes that back, and answers Today.
func (s *Server) putOff(c *call) error {
	var ask wire.PutOff
	if err := read(c, &ask); err != nil {
		return err
	}
	today, _, err := s.today(c)
	if err != nil {
		return err
	}
	key := ladder.Key{Stage: choose.StageID(ask.Stage), Manner: book.Manner(ask.Manner)}
	put := group.PutOff{Kind: group.Kind{Key: key, Leaving: ask.Leaving}, Children: ask.Children, On: today, Why: group.Why(ask.Why)}
	stage, known := ladder.StageByID(key.Stage)
	switch {
	case !known || !slices.Contains(stage.Manners, key.Manner):
		return refuse(fiber.StatusUnprocessableEntity, "There is no such lesson", "Load the page again.").because(ladder.ErrStage).of("stage")
	case ask.Off && !slices.Contains(group.Whys(), put.Why):
		return refuse(fiber.StatusUnprocessableEntity, "There is no such reason", "Choose one of those that are offered.").of("why")
	}
	switch err := s.store.PutOff(c.Context(), c.class.ID, put, ask.Off); {
	case errors.Is(err, store.ErrNone):
		return wrongChild()
	case err != nil:
		return err
	}
	return s.morning(c)
}

// week answers who was seen on which of the last school days.
func (s *Server) week(c *call) error {
	today, _, err := s.today(c)
	if err != nil {
		return err
	}
	days := group.SchoolWeek(today)
	now, err := s.children(c, today)
	if err != nil {
		return err
	}
	seen, err := s.store.SeenSince(c.Context(), c.class, days[0])
	if err != nil {
		return err
	}
	had := map[string][]book.Day{}
	for _, x := range seen {
		had[x.LearnerID.String()] = append(had[x.LearnerID.String()], x.Day)
	}
	return c.JSON(wire.WeekOf(group.WeekBack(now.children, had, today), today))
}
