// Package beads has the stages that are worked with bars of beads: which they are, and
// tasks that are drawn for them from what a class owns. Each family has a room of its own.
package beads

import (
	"slices"
	"strconv"

	"vineswap/core/chain"
	"vineswap/core/choose"
	"vineswap/core/numberrods"
	"vineswap/core/piece"
	"vineswap/core/snake"
	"vineswap/core/task"
)

// Owned is what a class has of bars, and how far its numbers go.
type Owned struct {
	Stairs     int  // of one bar of each size
	Remainders bool // one remainder bar of each size
	Most       int  // no larger number; 0 for any
}

// OwnedFor is the least that a class has that has laid a task.
func OwnedFor(t task.Task) Owned {
	o := Owned{Stairs: 1}
	if s, of := snake.From(t); of {
		o.Remainders = s.Cuts() > 0
		for beads := 1; beads <= piece.LongestBar; beads++ {
			o.Stairs = max(o.Stairs, s.Count(beads))
		}
	}
	if c, of := chain.From(t); of {
		o.Most = max(hundred, c.Total())
	}
	o.Stairs = min(o.Stairs, snake.MostStairs)
	return o
}

const hundred = 100

// Stages returns the stages in teaching order.
func Stages() []choose.StageID { return append(snake.Stages(), chain.Stage) }

// Has tells whether a stage is one of them.
func Has(id choose.StageID) bool { return slices.Contains(Stages(), id) }

// Kind is the kind of task of a stage.
func Kind(id choose.StageID) task.Kind {
	if id == chain.Stage {
		return chain.Kind
	}
	return snake.Kind
}

// OfRods tells whether a task is one with number rods, which have no stage of their own.
func OfRods(t task.Task) bool { return t.Kind == numberrods.Kind }

// Like draws up to so many tasks like one: of its stage, or with number rods of the same question.
func Like(like task.Task, id choose.StageID, had []task.Task, count int, seed uint64) []task.Task {
	r, of := numberrods.From(like)
	if !of {
		return Draw(id, OwnedFor(like), had, count, seed)
	}
	var all []task.Task
	for _, other := range (numberrods.Choice{Asks: []numberrods.Asks{r.Asks}, Long: []int{3, 4, 5, 6, 7, 8, 9, 10}}).All() {
		if numberrods.StageOf(other) == id {
			all = append(all, other.Task())
		}
	}
	return Some(all, had, count, seed)
}

// Draw draws up to so many different tasks of a stage, of the usual length from what the class
// owns, none of those that were had, by a seed; none where what it owns is not enough.
func Draw(id choose.StageID, owned Owned, had []task.Task, count int, seed uint64) []task.Task {
	if id == chain.Stage {
		return Some(chains(owned), had, count, seed)
	}
	return snakes(id, owned, had, count, seed)
}

// chains are the usual chains: those that fold into a square, and how many bars are in a number.
func chains(owned Owned) (list []task.Task) {
	c := chain.Choice{Beads: []int{2, 3, 4, 5, 6, 7, 8, 9, 10}, Asks: []chain.Asks{chain.Count, chain.HowMany}, Lengths: []chain.Lengths{chain.ToSquare}, Most: owned.Most}
	for _, one := range c.All() {
		list = append(list, one.Task())
	}
	return list
}

// Some are so many of all tasks but those that were had, each as likely as any other and none
// twice, by a seed.
func Some(all, had []task.Task, count int, seed uint64) []task.Task {
	known := map[string]bool{}
	for _, t := range had {
		known[t.Key()] = true
	}
	list := []task.Task{}
	for _, i := range choose.Pick(choose.CountOf(uint64(len(all))), len(all), seed) {
		n := int(i.Big().Int64())
		if t := all[n]; len(list) < count && !known[t.Key()] {
			list = append(list, t)
		}
	}
	return list
}

// usualBars is how many bars a snake has that nobody chose.
const usualBars = 7

func snakes(id choose.StageID, owned Owned, had []task.Task, count int, seed uint64) (list []task.Task) {
	space, err := snake.Choice{Bars: usualBars, Stairs: owned.Stairs, Ten: true, Cut: snake.CutIn(id)}.Space()
	if err != nil || id == snake.Second && !owned.Remainders {
		return nil
	}
	var others []snake.Snake
	for _, t := range had {
		if s, of := snake.From(t); of {
			others = append(others, s)
		}
	}
	for _, s := range space.Draw(count, seed, others) {
		list = append(list, s.Task())
	}
	return list
}

// Stairs is how many stairs a class owns: "0" to "4".
type Stairs string

// StairsSides returns all sides, the usual one first.
func StairsSides() []Stairs { return []Stairs{"2", "1", "3", "4", "0"} }

// Number is how many stairs they are.
func (s Stairs) Number() int {
	n, _ := strconv.Atoi(string(s))
	return n
}

// Remainders is whether a class owns remainder bars.
type Remainders string

// The sides of Remainders.
const (
	OneOfEach Remainders = "one-of-each"
	NoneOwned Remainders = "none"
)

// RemainderSides returns both sides, the usual one first.
func RemainderSides() []Remainders { return []Remainders{OneOfEach, NoneOwned} }
