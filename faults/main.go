// Faults kills the server and its database again and again while eight children are
// recorded, and looks whether everything that was acknowledged is there, once. It keeps
// the figures and ends by itself.
package main

import (
	"context"
	"errors"
	"fmt"
	"math/rand/v2"
	"net/http"
	"reflect"
	"slices"
	"sync"
	"sync/atomic"
	"time"

	"github.com/google/uuid"

	"vineswap/core/lesson"
	"vineswap/core/material"
	"vineswap/core/problem"
	"vineswap/core/trace"
	"vineswap/rig"
	"vineswap/store"
	"vineswap/wire"
)

const (
	command = "make faults"
	kills   = 200 // half of them of the server, half of the database
	writers = 8
	back    = 30 * time.Second // within which it answers again
)

func main() {
	rig.Measure(command, func(ctx context.Context, r *rig.Rig) (string, error) {
		t, err := newTrial(ctx, r)
		if err != nil {
			return "", err
		}
		return t.run(ctx)
	})
}

// trial is what was sent and what was acknowledged.
type trial struct {
	*rig.Rig
	people   []*rig.Person
	children []store.Learner
	lessons  []uuid.UUID
	acked    [writers][]uuid.UUID
	tries    atomic.Int64
	backs    []time.Duration // how long it took until it answered again
}

const tasks = 4

func newTrial(ctx context.Context, r *rig.Rig) (*trial, error) {
	t := &trial{Rig: r}
	for i := range writers {
		child := store.Learner{ID: uuid.New(), Name: fmt.Sprintf("Wren %c.", 'A'+rune(i))}
		if err := r.Store.AddLearner(ctx, r.Class.ID, child, time.Now()); err != nil {
			return nil, err
		}
		l := store.Lesson{ID: uuid.New(), ClassID: r.Class.ID, OpenedBy: r.Lead.ID, ChangedAt: time.Now()}
		for range tasks {
			l.Items = append(l.Items, lesson.Item{Task: problem.SumOf(47, 25).Task()})
		}
		l.Material, l.Stand, l.Children, l.At = material.Beads, lesson.OnTheMat, []string{child.ID.String()}, trace.Position{Phase: trace.Before}
		if err := r.Store.AddLesson(ctx, l); err != nil {
			return nil, err
		}
		t.children, t.lessons = append(t.children, child), append(t.lessons, l.ID)
	}
	if err := r.Answers(back); err != nil {
		return nil, err
	}
	for range writers {
		p, err := t.Person()
		if err != nil {
			return nil, err
		}
		if err := p.LogIn(); err != nil {
			return nil, err
		}
		t.people = append(t.people, p)
	}
	return t, nil
}

// write records one child again and again, as a screen does: what is not acknowledged is
// sent again, under the same id, until it is.
func (t *trial) write(ctx context.Context, i int) error {
	p := t.people[i]
	path := fmt.Sprintf("/api/classes/%s/lessons/%s", t.Class.ID, t.lessons[i])
	for n := 0; ctx.Err() == nil; n++ {
		o := wire.Observe{ID: uuid.NewString(), Learner: t.children[i].ID.String(), Nth: n % tasks, Answer: "72", Came: "marked", Help: "alone", Manner: "pieces", Runs: 1 + n%90, AnotherRun: true}
		if n%5 == 3 {
			o.Answer, o.Came = "62", "typed"
		}
		if err := t.until(ctx, p, path+"/observations", o); err != nil {
			return err
		}
		if ctx.Err() == nil {
			t.acked[i] = append(t.acked[i], uuid.MustParse(o.ID))
		}
		time.Sleep(20 * time.Millisecond)
	}
	return nil
}

// until sends a record until it is acknowledged.
func (t *trial) until(ctx context.Context, p *rig.Person, path string, o wire.Observe) error {
	for ctx.Err() == nil {
		t.tries.Add(1)
		status, body, err := p.Send("POST", path, o)
		switch {
		case err == nil && status == http.StatusOK:
			return nil
		case err == nil && status != http.StatusServiceUnavailable:
			return fmt.Errorf("a record was answered with %d %s", status, body)
		}
		time.Sleep(30 * time.Millisecond)
	}
	return nil
}

func (t *trial) run(ctx context.Context) (string, error) {
	writing, stop := context.WithCancel(ctx)
	defer stop()
	var wg sync.WaitGroup
	errs := make([]error, writers)
	for i := range writers {
		wg.Go(func() { errs[i] = t.write(writing, i) })
	}
	rng := rand.New(rand.NewPCG(1, uint64(kills)))
	for n := range kills {
		time.Sleep(time.Duration(60+rng.IntN(340)) * time.Millisecond)
		if err := errors.Join(t.fault(ctx, n%2 == 0), ctx.Err()); err != nil {
			return "", err
		}
	}
	time.Sleep(time.Second)
	stop()
	wg.Wait()
	if err := errors.Join(errs...); err != nil {
		return "", err
	}
	return t.judge(ctx)
}

// fault kills one of the two and starts it again.
func (t *trial) fault(ctx context.Context, server bool) error {
	began := time.Now()
	if server {
		if err := errors.Join(t.KillServer(), t.StartServer()); err != nil {
			return err
		}
	} else if err := errors.Join(t.KillDatabase(), t.StartDatabase(ctx)); err != nil {
		return err
	}
	if err := t.Answers(back); err != nil {
		return err
	}
	t.backs = append(t.backs, time.Since(began))
	return nil
}

// judge looks for everything that was acknowledged.
func (t *trial) judge(ctx context.Context) (string, error) {
	acked, found, lost, unacked := 0, 0, 0, 0
	for i, child := range t.children {
		kept, err := t.Store.Observations(ctx, child.ID)
		if err != nil {
			return "", err
		}
		there := map[uuid.UUID]bool{}
		for _, o := range kept {
			there[o.ID] = true
		}
		found += len(kept)
		acked += len(t.acked[i])
		for _, id := range t.acked[i] {
			if !there[id] {
				lost++
			}
			delete(there, id)
		}
		unacked += len(there)
	}
	class, err := t.Store.Class(ctx, t.Class.ID)
	if err != nil {
		return "", err
	}
	before, err := t.Store.Standings(ctx, class, 0)
	if err != nil {
		return "", err
	}
	if _, err := t.Store.Rejudge(ctx); err != nil {
		return "", err
	}
	after, err := t.Store.Standings(ctx, class, 0)
	if err != nil {
		return "", err
	}
	same := 0
	for i := range before {
		if reflect.DeepEqual(before[i].Standings, after[i].Standings) {
			same++
		}
	}
	slices.Sort(t.backs)
	text := fmt.Sprintf("| | |\n|---|---|\n| kill −9 of the server and of the database, in turn | %d |\n| records sent by %d writers, tries | %d |\n| acknowledged | %d |\n| of these, lost | %d |\n| kept and not acknowledged when it ended (sent once more by a screen, to no effect) | %d |\n| children who stand as all records say when judged anew | %d of %d |\n| until it answered again: median, longest | %d ms, %d ms |\n",
		kills, writers, t.tries.Load(), acked, lost, unacked, same, len(before), t.backs[len(t.backs)/2].Milliseconds(), t.backs[len(t.backs)-1].Milliseconds())
	if lost > 0 || unacked > writers || same != len(before) || acked < kills {
		return "", fmt.Errorf("%d lost, %d not acknowledged, %d of %d stand as they should, %d acknowledged\n%s", lost, unacked, same, len(before), acked, text)
	}
	return text, nil
}
