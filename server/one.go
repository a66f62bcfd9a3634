package server

import (
	"errors"

	"github.com/gofiber/fiber/v3"

	"vineswap/core/number"
	"vineswap/wire"
)

// chooseOne answers how many questions with one number fit, and some of them.
func (s *Server) chooseOne(c *call) error {
	var ask wire.ChooseOne
	if err := read(c, &ask); err != nil {
		return err
	}
	choice, err := wire.OneChoiceOf(ask).Fitted(c.class.Settings.Range.Limit())
	if err != nil {
		return wrongOne(err)
	}
	seed, err := seedFrom(ask.Seed)
	if err != nil {
		return err
	}
	space := choice.Space()
	lately, err := s.askedLately(c, ask)
	if err != nil {
		return err
	}
	chosen, err := wire.ChosenOneOf(c.class.Settings, choice, space, space.Of(lately), ask.Count, seed)
	if err != nil {
		return err
	}
	return c.JSON(chosen)
}

// askedLately are the numbers that the children were asked within some days.
func (s *Server) askedLately(c *call, ask wire.ChooseOne) ([]number.Asked, error) {
	learners, since, err := s.withinDays(c, ask.Children, ask.Days)
	if err != nil || len(learners) == 0 {
		return nil, err
	}
	worked, err := s.store.Worked(c.Context(), c.class.ID, learners, number.Kind, since)
	var asked []number.Asked
	for _, t := range worked {
		if a, of := number.From(t); of {
			asked = append(asked, a)
		}
	}
	return asked, err
}

// tray answers whether what was fetched for a number is right, and what is not.
func (s *Server) tray(c *call) error {
	var lies wire.TrayLies
	if err := read(c, &lies); err != nil {
		return err
	}
	says, err := wire.TraySaysOf(c.class.Settings, lies)
	if err != nil {
		return refuse(fiber.StatusUnprocessableEntity, "This tray cannot be looked at", "Enter up to 99 pieces of each kind.").because(err).of("lies")
	}
	return c.JSON(says)
}

// wrongOne says beside which part of a choice the mistake is.
func wrongOne(err error) *trouble {
	t := refuse(fiber.StatusUnprocessableEntity, "These numbers cannot be chosen", "Pick a stage, then which numbers, shown as and answered as.").because(err)
	for field, cause := range map[string]error{"stage": number.ErrStage, "numbers": number.ErrChosen, "digits": number.ErrDigits, "zeros": number.ErrZeros, "swaps": number.ErrSwaps, "many": number.ErrMany, "differ": number.ErrDiffer, "shown": number.ErrShown, "answered": number.ErrAnswered} {
		if errors.Is(err, cause) {
			return t.of(field)
		}
	}
	return t
}

// stands answers, for each stage, which children are ready for it or wobble.
func (s *Server) stands(c *call) error {
	today, _, err := s.today(c)
	if err != nil {
		return err
	}
	now, err := s.children(c, today)
	if err != nil {
		return err
	}
	return s.lasting(c, now.version, "stands", func() (any, error) {
		return wire.StandsOf(c.class.Judged(), now.children, today), nil
	})
}
