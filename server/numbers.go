package server

import (
	"errors"
	"math/rand/v2"
	"strconv"

	"github.com/gofiber/fiber/v3"

	"vineswap/core/choose"
	"vineswap/core/lesson"
	"vineswap/core/swap"
	"vineswap/wire"
)

// drawnSeeds is the range of the seeds that are drawn: short enough to be read
// out.
const drawnSeeds = 1_000_000

// choose answers how many problems fit and a hand of them.
func (s *Server) choose(c *call) error {
	var ask wire.Choose
	if err := read(c, &ask); err != nil {
		return err
	}
	choice, err := wire.ChoiceOf(ask)
	if err != nil {
		return wrongChoice(err)
	}
	if len(choice.Digits) == 0 {
		return wrongChoice(choose.ErrNumbers)
	}
	choice = choice.Fitted()
	space, err := choice.Space()
	if err != nil {
		return wrongChoice(err)
	}
	seed := rand.Uint64N(drawnSeeds)
	if ask.Seed != "" {
		if seed, err = strconv.ParseUint(ask.Seed, 10, 64); err != nil {
			return refuse(fiber.StatusUnprocessableEntity, "The seed is no whole number", "Leave it empty to draw a new one.").of("seed")
		}
	}
	chosen, err := wire.ChosenOf(c.class.Settings, choice, space, ask.Count, seed)
	if err != nil {
		return err
	}
	return c.JSON(chosen)
}

func wrongChoice(err error) *trouble {
	t := refuse(fiber.StatusUnprocessableEntity, "These numbers cannot be chosen", "Pick a stage, or set how many digits each number has.").because(err)
	switch {
	case errors.Is(err, choose.ErrStage):
		return t.of("stage")
	case errors.Is(err, choose.ErrDigits), errors.Is(err, choose.ErrNumbers):
		return t.of("digits")
	}
	return t.of("swap")
}

// look answers what a typed sum causes.
func (s *Server) look(c *call) error {
	var typed wire.Typed
	if err := read(c, &typed); err != nil {
		return err
	}
	problem, err := swap.Parse(typed.Text)
	if err != nil {
		return wrongSum(err)
	}
	sum, err := wire.SumOf(c.class.Settings, problem)
	if errors.Is(err, lesson.ErrOther) {
		return wrongSum(err)
	}
	if err != nil {
		return err
	}
	return c.JSON(sum)
}

func wrongSum(err error) *trouble {
	t := refuse(fiber.StatusUnprocessableEntity, "This cannot be worked yet", "Write two numbers with + or - between them, such as 47+25 or 62-38.").of("text")
	var placed *swap.ExpressionError
	if errors.As(err, &placed) {
		t.At = len([]rune(placed.Text[:placed.At])) + 1
		err = placed.Err
	}
	return t.because(err)
}
