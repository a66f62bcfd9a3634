package server

import (
	"errors"
	"fmt"
	"slices"
	"time"

	"github.com/gofiber/fiber/v3"
	"github.com/google/uuid"

	"vineswap/core/setting"
	"vineswap/store"
	"vineswap/wire"
)

// desk answers what every view of a class needs.
func (s *Server) desk(c *call) error {
	zone, err := time.LoadLocation(c.class.Zone)
	if err != nil {
		return err
	}
	words := c.class.Settings.Words()
	desk := wire.Desk{
		Class: wire.ClassLink{ID: c.class.ID.String(), Name: c.class.Name, Role: string(c.role)},
		Day:   wire.DayOf(s.now().In(zone)), Settings: wire.SettingsOf(c.class.Settings, c.class.Revision), Palette: wire.PaletteOf(c.class.Settings.Words(), c.class.Settings.Colours),
		Words: wire.WordsOf(words), Stages: wire.StagesOf(c.class.Settings), Learners: []wire.Learner{}, Open: []wire.LessonLink{}, Limits: wire.LimitsOf(), Told: wire.ToldOf(words),
	}
	learners, err := s.store.Learners(c.Context(), c.class.ID)
	if err != nil {
		return err
	}
	for _, l := range learners {
		desk.Learners = append(desk.Learners, wire.Learner{ID: l.ID.String(), Name: l.Name})
	}
	if err := s.addLessons(c, &desk); err != nil {
		return err
	}
	return c.JSON(desk)
}

// addLessons puts the open lessons on the desk: the one in hand apart.
func (s *Server) addLessons(c *call, desk *wire.Desk) error {
	inHand, err := s.store.LessonInHand(c.Context(), c.account.ID, c.class.ID)
	if err != nil && !errors.Is(err, store.ErrNone) {
		return err
	}
	open, err := s.store.OpenLessons(c.Context(), c.class.ID)
	if err != nil {
		return err
	}
	ids := open
	if inHand != uuid.Nil && !slices.Contains(open, inHand) {
		ids = append(ids, inHand)
	}
	list, err := s.store.Lessons(c.Context(), c.class.ID, ids)
	if err != nil {
		return err
	}
	for _, l := range list {
		link, _, err := s.linkOf(c, l)
		if err != nil {
			return err
		}
		if l.ID == inHand {
			desk.InHand = &link
		} else {
			desk.Open = append(desk.Open, link)
		}
	}
	// What was planned on an earlier day and not done comes first.
	slices.SortStableFunc(desk.Open, func(a, b wire.LessonLink) int {
		switch {
		case (a.NotDone == "") == (b.NotDone == ""):
			return 0
		case a.NotDone != "":
			return -1
		}
		return 1
	})
	return nil
}

// choices answers the settings that can be made, each side with an example.
func (s *Server) choices(c *call) error { return c.JSON(wire.ChoicesOf(c.class.Settings)) }

// setSettings keeps changed settings and answers the desk.
func (s *Server) setSettings(c *call) error {
	var ask wire.Settings
	if err := read(c, &ask); err != nil {
		return err
	}
	set := wire.ClassOf(ask)
	if ask.Habits == nil { // an older screen knows of none
		set.Habits = c.class.Settings.Habits
	}
	if ask.Colours.Rack == nil {
		set.Colours.Rack = c.class.Settings.Colours.Rack
	}
	made, err := setting.Made(set)
	if errors.Is(err, setting.ErrHabit) {
		return refuse(fiber.StatusUnprocessableEntity, "This name is too long", fmt.Sprintf("Take one of at most %d characters.", setting.MostHabit)).because(err)
	}
	if err != nil {
		return refuse(fiber.StatusUnprocessableEntity, "This cannot be set", "Choose one of the settings shown.").because(err)
	}
	err = s.store.SetSettings(c.Context(), c.class.ID, ask.Revision, made)
	if errors.Is(err, store.ErrStale) {
		return refuse(fiber.StatusConflict, "The settings were changed elsewhere", "Look at them as they are now, then choose again.")
	}
	if err != nil {
		return fmt.Errorf("settings: %w", err)
	}
	if c.class, err = s.store.Class(c.Context(), c.class.ID); err != nil {
		return err
	}
	return s.desk(c)
}
