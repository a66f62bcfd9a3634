package server

import (
	"errors"
	"math/rand/v2"
	"strconv"

	"github.com/gofiber/fiber/v3"

	"vineswap/core/snake"
	"vineswap/core/task"
	"vineswap/wire"
)

// chooseSnakes answers how many snakes fit, and some of them.
func (s *Server) chooseSnakes(c *call) error {
	var ask wire.ChooseSnake
	if err := read(c, &ask); err != nil {
		return err
	}
	choice, err := wire.SnakeChoiceOf(c.class.Settings, ask)
	if err != nil {
		return wrongSnake(err)
	}
	seed, err := seedFrom(ask.Seed)
	if err != nil {
		return err
	}
	had, err := s.snakesLately(c, ask)
	if err != nil {
		return err
	}
	chosen, err := wire.ChosenSnakesOf(c.class.Settings, choice, ask, had, seed)
	if err != nil {
		return wrongSnake(err)
	}
	return c.JSON(chosen)
}

// seedFrom reads a seed, or draws one where none is given.
func seedFrom(text string) (uint64, error) {
	if text == "" {
		return rand.Uint64N(drawnSeeds), nil
	}
	seed, err := strconv.ParseUint(text, 10, 64)
	if err != nil {
		return 0, refuse(fiber.StatusUnprocessableEntity, "The seed is not a whole number", "Leave it empty to draw a new one.").of("seed")
	}
	return seed, nil
}

// snakesLately are the snakes that the children had within some days.
func (s *Server) snakesLately(c *call, ask wire.ChooseSnake) (list []snake.Snake, err error) {
	learners, since, err := s.withinDays(c, ask.Children, ask.Days)
	if err != nil || len(learners) == 0 {
		return nil, err
	}
	worked, err := s.store.Worked(c.Context(), c.class.ID, learners, snake.Kind, since)
	for _, t := range worked {
		if s, of := snake.From(t); of {
			list = append(list, s)
		}
	}
	return list, err
}

// wrongSnake says beside which wish the mistake is.
func wrongSnake(err error) *trouble {
	t := refuse(fiber.StatusUnprocessableEntity, "These snakes cannot be planned", "Set how many bars a snake has, and in Settings how many stairs there are.").because(err)
	for _, beside := range []struct {
		field string
		err   error
	}{{"stairs", snake.ErrStairs}, {"bars", snake.ErrBars}, {"bars", snake.ErrOwned}, {"left", snake.ErrLeft}, {"left", snake.ErrTooMany}} {
		if errors.Is(err, beside.err) {
			return t.of(beside.field)
		}
	}
	return t
}

// chooseBars answers how many chains or questions with number rods fit, and some of them.
func (s *Server) chooseBars(c *call) error {
	var ask wire.ChooseBars
	if err := read(c, &ask); err != nil {
		return err
	}
	seed, err := seedFrom(ask.Seed)
	if err != nil {
		return err
	}
	learners, since, err := s.withinDays(c, ask.Children, ask.Days)
	if err != nil {
		return err
	}
	var had []task.Task
	if len(learners) > 0 {
		if had, err = s.store.Worked(c.Context(), c.class.ID, learners, task.Kind(ask.Kind), since); err != nil {
			return err
		}
	}
	chosen, err := wire.ChosenBarsOf(c.class.Settings, ask, had, seed)
	var field *wire.FieldError
	if errors.As(err, &field) {
		return refuse(fiber.StatusUnprocessableEntity, "These bars cannot be chosen", "Choose chains of 1 to 10, or rods of 3 to 10.").because(err).of(field.Field)
	}
	if err != nil {
		return err
	}
	return c.JSON(chosen)
}
