package choose

import (
	"context"
	"fmt"
)

// work is what counting one choice in many ways has in common: a column is built once
// for all of them, and all of it ends with the caller.
type work struct {
	ctx   context.Context
	built map[string]*automaton
}

// In returns the choice with a place to count it in: whatever is counted of it, or of a
// choice that is made of it, builds each column once and ends with the context. Then it
// counts none, and the context tells why. It is not safe for use by several goroutines
// at once.
func (c Choice) In(ctx context.Context) Choice {
	c.work = &work{ctx, map[string]*automaton{}}
	return c
}

// ended tells whether nobody waits for the work any more.
func (w *work) ended() error {
	if w == nil {
		return nil
	}
	return w.ctx.Err()
}

// automaton is what is built of a column: the nodes that are reached. It is not changed
// once it is built.
type automaton struct {
	layers   [][]node
	profiles []profile // of the last layer's nodes
	ways     []uint64  // in how many ways each of them is reached
}

// ready builds the column, or finds one that is fed in the same way.
func (c *column) ready(choice *Choice) {
	if choice.work == nil {
		c.build()
		return
	}
	sign := c.sign(choice)
	if known := choice.work.built[sign]; known != nil {
		c.automaton = *known
		return
	}
	c.build()
	built := c.automaton
	choice.work.built[sign] = &built
}

// sign is the same for columns that are fed in the same way: all that feed looks at.
func (c *column) sign(choice *Choice) string {
	slots := make([][2]int, len(c.slots))
	for i, s := range c.slots {
		slots[i] = [2]int{s.low, s.high}
	}
	return fmt.Sprint(choice.kind(), c.by, slots, c.keys, choice.Facts, c.asks)
}
