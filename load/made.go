package main

import (
	"context"
	"fmt"
	"math/rand/v2"
	"time"

	"github.com/google/uuid"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/lesson"
	"vineswap/core/material"
	"vineswap/core/setting"
	"vineswap/core/task"
	"vineswap/core/trace"
	"vineswap/pupil"
	"vineswap/store"
)

// room is a made-up class with a history, and its lead.
type room struct {
	store.Class
	lead     store.Account
	children []store.Learner
	lesson   uuid.UUID // one in hand, with a child of the class
	today    book.Day
}

// made makes a class of so many children with so many records of the last two years of
// school days, spread evenly, climbing from stage to stage as children do.
func made(ctx context.Context, s *store.Store, lead store.Account, name string, children, records int, now time.Time) (room, error) {
	r := room{Class: store.Class{ID: uuid.New(), Name: name, Zone: "UTC", Settings: setting.Default()}, lead: lead, today: book.DayOf(now)}
	if err := s.AddClass(ctx, r.Class); err != nil {
		return r, err
	}
	if err := s.Join(ctx, lead.ID, r.ID, store.Lead); err != nil {
		return r, err
	}
	for i := range children {
		r.children = append(r.children, store.Learner{ID: uuid.New(), Name: fmt.Sprintf("%s %c%c.", []string{"Wren", "Jory", "Mina", "Ada", "Bram", "Clio"}[i%6], 'A'+rune(i/6/9), 'a'+rune(i/6%9))})
	}
	if err := s.AddLearners(ctx, r.ID, r.children, now.AddDate(-2, 0, 0)); err != nil {
		return r, err
	}
	if err := r.history(ctx, s, records); err != nil {
		return r, err
	}
	if err := r.lessons(ctx, s, now); err != nil {
		return r, err
	}
	var err error
	r.Class, err = s.Class(ctx, r.ID)
	return r, err
}

// tasks is how many tasks of a stage children meet.
const tasks = 20

const digits = 3 // of the numbers, where the stage leaves that open

var pools = map[ladder.Key][]task.Task{}

func pool(k ladder.Key) []task.Task {
	if pools[k] == nil {
		rng := rand.New(rand.NewPCG(7, 7))
		for range tasks {
			pools[k] = append(pools[k], pupil.TaskFor(k, digits, rng))
		}
	}
	return pools[k]
}

// inLessons is what the lessons are about.
var inLessons = ladder.Key{Stage: choose.OneSwapOnes, Manner: book.Pieces}

// schoolDays are the weekdays of two years up to a day, without July and August.
func schoolDays(today book.Day) []book.Day {
	var days []book.Day
	for day := today - 730; day <= today; day++ {
		at := day.Time()
		if at.Weekday() != time.Saturday && at.Weekday() != time.Sunday && at.Month() != time.July && at.Month() != time.August {
			days = append(days, day)
		}
	}
	return days
}

func (r room) history(ctx context.Context, s *store.Store, records int) error {
	rng := rand.New(rand.NewPCG(uint64(records), uint64(len(r.children))))
	days, each := schoolDays(r.today), records/len(r.children)
	var climb []choose.StageID
	for _, strand := range ladder.Strands() {
		for _, stage := range r.Class.Judged().Stages(strand) {
			climb = append(climb, stage.ID)
		}
	}
	for _, child := range r.children { // one after another, so that each is judged once
		var list []store.Observation
		for n := range each {
			day := days[n*len(days)/each]
			id := climb[min(len(climb)-1, n*len(climb)/each+rng.IntN(2))]
			stage, _ := ladder.StageByID(id)
			o := store.Observation{ID: uuid.Must(uuid.NewV7()), ClassID: r.ID, LearnerID: child.ID, RecordedBy: r.lead.ID, RecordedAt: day.Time().Add(9 * time.Hour)}
			o.Stage, o.Manner = id, stage.Manners[rng.IntN(len(stage.Manners))]
			o.Task = pool(ladder.Key{Stage: id, Manner: o.Manner})[rng.IntN(tasks)]
			o.Material, o.Help, o.Came, o.Runs, o.Day = material.Beads, book.Helps()[rng.IntN(len(book.Helps()))], book.Typed, 1, day
			if o.Answer = o.Task.Result(); rng.IntN(6) == 0 {
				o.Answer = fmt.Sprint(rng.IntN(900))
			}
			if o.Help == book.Shown {
				o.Answer = ""
			}
			list = append(list, o)
		}
		if err := s.RecordAll(ctx, list); err != nil {
			return err
		}
	}
	return nil
}

// lessons are those of two years, five a day, all written up but the last ones, and one
// in hand.
func (r *room) lessons(ctx context.Context, s *store.Store, now time.Time) error {
	days := schoolDays(r.today)
	for i, day := range days {
		if i%4 != 0 && i < len(days)-10 {
			continue
		}
		for k := range 3 {
			l := store.Lesson{ID: uuid.Must(uuid.NewV7()), ClassID: r.ID, OpenedBy: r.lead.ID, ChangedAt: day.Time().Add(time.Duration(9+k) * time.Hour)}
			l.Items, l.Material, l.Stand = []lesson.Item{{Task: pool(inLessons)[i%tasks], Stage: choose.OneSwapOnes}}, material.Beads, lesson.Ended
			l.Children = []string{r.children[(3*i+k)%len(r.children)].ID.String()}
			if day == r.today && k == 2 {
				l.Stand, l.ChangedAt = lesson.OnTheMat, now
				l.Children = nil
				for _, c := range r.children[:min(4, len(r.children))] {
					l.Children = append(l.Children, c.ID.String())
				}
				r.lesson = l.ID
			}
			l.At = trace.Position{Phase: trace.Before}
			if err := s.AddLesson(ctx, l); err != nil {
				return err
			}
		}
	}
	return nil
}
