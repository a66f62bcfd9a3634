package server

import (
	"slices"

	"github.com/gofiber/fiber/v3"

	"vineswap/core/choose"
	"vineswap/core/diagnose"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/say"
	"vineswap/core/slip"
	"vineswap/core/task"
	"vineswap/wire"
)

// mostLooked is how many problems of a choice are looked at for those that bring a slip out.
const mostLooked = 300

// bringing are problems of a space as they are worked with every slip.
func bringing(space *choose.Space, kind task.Kind, seed uint64) *diagnose.Pool {
	var tasks []task.Task
	for _, numbers := range space.Draw(mostLooked, seed) {
		tasks = append(tasks, problem.Of(kind, numbers...).Task())
	}
	return diagnose.PoolOf(tasks)
}

// bringOut are so many problems on which a slip gives an answer unlike the right one and unlike
// all that is held possible of the children who come; of no children those come first in which
// fewest other slips give the same.
func (s *Server) bringOut(c *call, pool *diagnose.Pool, ask wire.Choose) ([][]place.Number, error) {
	id := slip.ID(ask.Brings)
	if say.Slip(id) == "" {
		return nil, refuse(fiber.StatusUnprocessableEntity, "There is no such slip", "Choose one of those in the list.").of("brings")
	}
	tasks := pool.BringsOut([]slip.ID{id}, nil)
	if len(ask.Children) > 0 {
		today, _, err := s.today(c)
		if err != nil {
			return nil, err
		}
		now, err := s.children(c, today)
		if err != nil {
			return nil, err
		}
		for _, child := range ask.Children {
			of, here := now.child(child)
			if !here || len(tasks) == 0 {
				continue
			}
			own := pool.BringsOut([]slip.ID{id}, of.Recent.In(diagnose.FieldOf(tasks[0])))
			if both := common(tasks, own); len(both) > 0 {
				tasks = both
			}
		}
	}
	var list [][]place.Number
	for _, t := range pool.Own(id, tasks) {
		if p, of := problem.From(t); of && len(list) < ask.Count {
			list = append(list, p.Numbers)
		}
	}
	return list, nil
}

// common are the tasks that are in both lists.
func common(a, b []task.Task) []task.Task {
	return slices.DeleteFunc(slices.Clone(a), func(t task.Task) bool {
		return !slices.ContainsFunc(b, func(o task.Task) bool { return o.Key() == t.Key() })
	})
}

// addSlips says which slips problems of a choice can bring out, and which the chosen ones
// could not show.
func addSlips(c *call, out *wire.Chosen, pool *diagnose.Pool, choice choose.Choice, chosen [][]place.Number) error {
	out.Slips, out.Hidden = []wire.Named{}, []string{}
	for _, id := range pool.Shown() {
		out.Slips = append(out.Slips, wire.Named{ID: string(id), Name: say.Slip(id)})
	}
	var hand []task.Task
	for _, numbers := range chosen {
		hand = append(hand, problem.Of(choice.Kind, numbers...).Task())
	}
	hidden, would, some := pool.Hidden(hand)
	for _, id := range hidden {
		out.Hidden = append(out.Hidden, say.Slip(id))
	}
	if !some {
		return nil
	}
	p, _ := problem.From(would)
	sum, err := wire.SumOf(c.class.Settings, p, choice.Stage)
	out.Would = &sum
	return err
}
