package server

import (
	"context"
	"encoding/json"
	"errors"
	"strings"

	"github.com/gofiber/fiber/v3"
	"github.com/google/uuid"

	"vineswap/core/book"
	"vineswap/core/chain"
	"vineswap/core/choose"
	"vineswap/core/number"
	"vineswap/core/numberrods"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/snake"
	"vineswap/core/task"
	"vineswap/store"
	"vineswap/wire"
)

// drawnSeeds is the range of the seeds that are drawn: short enough to be read
// out.
const drawnSeeds = 1_000_000

// choose answers how many problems fit, and some of them: a draw or a set.
func (s *Server) choose(c *call) error {
	var ask wire.Choose
	if err := read(c, &ask); err != nil {
		return err
	}
	choice, err := chosenBy(c, ask)
	if err != nil {
		return err
	}
	leave, err := s.counting.enter(c.Context(), choice)
	if err != nil {
		return err
	}
	defer leave()
	choice = choice.In(c.Context())
	space, err := choice.Space()
	if err != nil {
		return wrongChoice(err)
	}
	seed, err := seedFrom(ask.Seed)
	if err != nil {
		return err
	}
	if space, err = s.notAgain(c, space, choice.Kind, ask); err != nil {
		return err
	}
	draw := space.Draw
	if ask.Spread {
		draw = space.Spread
	}
	pool := bringing(space, choice.Kind, seed)
	var list [][]place.Number
	if ask.Brings != "" {
		list, err = s.bringOut(c, pool, ask)
	} else {
		list = draw(ask.Count, seed)
	}
	if err != nil {
		return err
	}
	chosen, err := wire.ChosenOf(c.class.Settings, choice, space, list, seed)
	if err := errors.Join(err, c.Context().Err()); err != nil {
		return err
	}
	if err := addSlips(c, &chosen, pool, choice, list); err != nil {
		return err
	}
	return c.JSON(chosen)
}

func tooLong() *trouble {
	return refuse(fiber.StatusServiceUnavailable, "These numbers take too long to count", "Take fewer or shorter numbers, or fewer conditions; or try again later.").of("digits")
}

// counting lets choices of many long numbers be counted one at a time, so that whoever
// chooses two numbers beside them hardly waits.
type counting chan struct{}

// manyDigits is how many digits all numbers of a choice have together that is counted
// beside any other.
const manyDigits = 14

// enter waits until a choice may be counted, as long as the context lasts, and returns
// what to call when it has been.
func (s counting) enter(ctx context.Context, c choose.Choice) (leave func(), err error) {
	digits := 0
	for _, d := range c.Digits {
		digits += d
	}
	if digits <= manyDigits {
		return func() {}, nil
	}
	select {
	case s <- struct{}{}:
		return func() { <-s }, nil
	case <-ctx.Done():
		return nil, tooLong()
	}
}

// chosenBy reads a choice and fits it to its numbers; one that is fitted to its stage
// goes as far as the class's numbers.
func chosenBy(c *call, ask wire.Choose) (choose.Choice, error) {
	choice, err := wire.ChoiceOf(ask)
	if err != nil {
		return choice, wrongChoice(err)
	}
	if ask.Fit {
		choice = choice.UpTo(c.class.Settings.Range)
	}
	if len(choice.Digits) == 0 {
		return choice, wrongChoice(choose.ErrNumbers)
	}
	return choice.Fitted(), nil
}

// notAgain leaves out what the children have had within some days.
func (s *Server) notAgain(c *call, space *choose.Space, kind task.Kind, ask wire.Choose) (*choose.Space, error) {
	learners, since, err := s.withinDays(c, ask.Children, ask.Days)
	if err != nil || len(learners) == 0 {
		return space, err
	}
	worked, err := s.store.Worked(c.Context(), c.class.ID, learners, kind, since)
	if err != nil {
		return nil, err
	}
	var numbers [][]place.Number
	for _, t := range worked {
		if p, of := problem.From(t); of {
			numbers = append(numbers, p.Numbers)
		}
	}
	return space.Except(numbers), nil
}

// withinDays reads whose work of some days is left out, and from which day on; nobody's
// where no days are asked for.
func (s *Server) withinDays(c *call, children []string, days int) (learners []uuid.UUID, since book.Day, err error) {
	if days == 0 {
		return nil, 0, nil
	}
	for _, text := range children {
		id, err := uuid.Parse(text)
		if err != nil {
			return nil, 0, wrongChild().of("children")
		}
		learners = append(learners, id)
	}
	today, _, err := s.today(c)
	return learners, today - book.Day(days) + 1, err
}

// keptVersion is the form in which choices are kept; older ones are read as far as
// they can be.
const keptVersion = 2

// keptChoices answers the choices that guides of the class have named.
func (s *Server) keptChoices(c *call) error {
	list, err := s.store.KeptChoices(c.Context(), c.class.ID)
	if err != nil {
		return err
	}
	out := wire.KeptChoices{List: []wire.KeptChoice{}}
	for _, k := range list {
		out.List = append(out.List, keptChoiceOf(c, k))
	}
	return c.JSON(out)
}

// keptChoiceOf reads a kept choice. One that cannot be read any more stays in the list
// and says so.
func keptChoiceOf(c *call, k store.KeptChoice) wire.KeptChoice {
	out := wire.KeptChoice{ID: k.ID.String(), Name: k.Name}
	err := readChoice(k, &out.Choice)
	if err == nil {
		var choice choose.Choice
		if choice, err = chosenBy(c, out.Choice); err == nil {
			err = choice.Valid()
		}
		if err == nil {
			out.Fits, out.Says, out.Choice = true, c.class.Settings.Words().Choice(choice), wire.AskOf(choice)
			return out
		}
	}
	out.Choice = wire.Choose{Digits: []int{}, Swap: map[string]string{}}
	out.Says = "This was kept in a form that can no longer be read. Choose it again and delete this one."
	return out
}

// readChoice reads a kept choice of any version. Version 1 named the kind by its
// operation.
func readChoice(k store.KeptChoice, into *wire.Choose) error {
	if k.Version > keptVersion {
		return errNewerChoice
	}
	if err := json.Unmarshal(k.Choice, into); err != nil || k.Version > 1 {
		return err
	}
	var first struct {
		Op string `json:"op"`
	}
	err := json.Unmarshal(k.Choice, &first)
	if into.Kind = string(problem.KindOf(first.Op)); first.Op != "" && into.Kind == "" {
		return choose.ErrKind
	}
	return err
}

var errNewerChoice = errors.New("kept by a newer version")

// mostChoiceName is how many characters the name of a kept choice has.
const mostChoiceName = 80

func (s *Server) keepChoice(c *call) error {
	var ask wire.KeptChoice
	if err := read(c, &ask); err != nil {
		return err
	}
	choice, err := chosenBy(c, ask.Choice)
	if err != nil {
		return err
	}
	if err := choice.Valid(); err != nil {
		return wrongChoice(err)
	}
	name, err := book.Name(ask.Name, mostChoiceName)
	if errors.Is(err, book.ErrNoName) {
		return refuse(fiber.StatusUnprocessableEntity, "The choice has no name", "Write a name that you will recognise.").of("name")
	} else if err != nil {
		return refuse(fiber.StatusUnprocessableEntity, "The choice cannot have this name", "Write a shorter one, with letters, digits and spaces.").because(err).of("name")
	}
	kept, err := json.Marshal(wire.AskOf(choice))
	if err != nil {
		return err
	}
	err = s.store.KeepChoice(c.Context(), store.KeptChoice{ID: uuid.MustParse(ask.ID), ClassID: c.class.ID, Name: name, Version: keptVersion, Choice: kept, KeptBy: c.account.ID})
	switch {
	case errors.Is(err, store.ErrTaken):
		return refuse(fiber.StatusConflict, "A choice with this name is already kept", "Give it another name, or delete the other one first.").of("name")
	case errors.Is(err, store.ErrFull):
		return refuse(fiber.StatusConflict, "The class keeps as many choices as it can", "Delete one that you no longer need.").of("name")
	case err != nil:
		return err
	}
	return s.keptChoices(c)
}

func (s *Server) dropChoice(c *call) error {
	id, err := uuid.Parse(c.Params("kept"))
	if err != nil {
		return notFound()
	}
	if err := s.store.DropChoice(c.Context(), c.class.ID, id); err != nil {
		return missing(err)
	}
	return s.keptChoices(c)
}

// wrongChoice says beside which wish the mistake is.
func wrongChoice(err error) error {
	if errors.Is(err, context.DeadlineExceeded) || errors.Is(err, context.Canceled) {
		return tooLong()
	}
	t := refuse(fiber.StatusUnprocessableEntity, "These numbers cannot be chosen", "Pick a stage, or set how many digits each number has.").because(err)
	var field *wire.FieldError
	if errors.As(err, &field) {
		return t.of(field.Field)
	}
	for _, beside := range []struct {
		field string
		errs  []error
	}{
		{"stage", []error{choose.ErrStage}},
		{"digits", []error{choose.ErrDigits, choose.ErrNumbers, choose.ErrTwo, choose.ErrOne, choose.ErrShorter}},
		{"by", []error{choose.ErrBy}}, {"most", []error{choose.ErrMost}}, {"limit", []error{choose.ErrLimit}}, {"groups", []error{choose.ErrGroups}}, {"kind", []error{choose.ErrKind}},
	} {
		for _, e := range beside.errs {
			if errors.Is(err, e) {
				return t.of(beside.field)
			}
		}
	}
	return t.of("swap")
}

// look answers what a typed task causes: a problem, or a number alone.
func (s *Server) look(c *call) error {
	var typed wire.Typed
	if err := read(c, &typed); err != nil {
		return err
	}
	t, err := task.Parse(typed.Text)
	if err != nil {
		return wrongTask(typed.Text, err)
	}
	if bars, of := snake.From(t); of {
		owned := c.class.Settings.Beads()
		if err := bars.LaidFrom(owned.Stairs, owned.Remainders); err != nil {
			return refuse(fiber.StatusUnprocessableEntity, "This snake cannot be laid", "Take other bars, or set in Settings what you own.").because(err).of("text")
		}
	}
	sum, err := wire.TaskOf(c.class.Settings, t, "")
	if err != nil {
		return err
	}
	return c.JSON(sum)
}

// wrongBars is the mistake in bars of beads or number rods that were typed; nil where none were.
func wrongBars(text string) error {
	var wrong []error
	if strings.Contains(text, ",") {
		_, err := snake.Parse(text)
		wrong = append(wrong, err)
	}
	_, ofChain := chain.Parse(text)
	_, ofRods := numberrods.Parse(text)
	for _, err := range append(wrong, ofChain, ofRods) {
		if err != nil && !errors.Is(err, task.ErrForm) {
			return err
		}
	}
	return nil
}

// wrongTask says what is wrong with a typed task: as a number alone where there is no sign
// in it, else as a problem.
func wrongTask(text string, err error) *trouble {
	t := refuse(fiber.StatusUnprocessableEntity, "This cannot be worked yet", "Write two numbers with + or - between them, such as 47+25 or 62-38; or 97/4, or 213*3; or one number, such as 342 or seventeen, or 2 tens 14 ones; or two to five numbers to compare, such as 342 324; or bars, such as 8,5,9,4, chain 7, 4s in 28 or rods 5 and 4.").of("text")
	if bars := wrongBars(text); bars != nil {
		return t.because(bars)
	}
	if _, one := number.Parse(text); one != nil && !errors.Is(one, task.ErrForm) {
		return t.because(one)
	}
	if _, wrong := problem.Parse(text); wrong != nil {
		err = wrong
	}
	var placed *problem.ExpressionError
	if errors.As(err, &placed) {
		t.At = len([]rune(placed.Text[:placed.At])) + 1
		err = placed.Err
	}
	return t.because(err)
}
