package store_test

import (
	"encoding/json"
	"errors"
	"fmt"
	"slices"
	"strings"
	"testing"

	"github.com/google/uuid"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/group"
	"vineswap/core/ladder"
	"vineswap/core/lesson"
	"vineswap/core/material"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/say"
	"vineswap/core/setting"
	"vineswap/core/slip"
	"vineswap/core/task"
	"vineswap/store"
	"vineswap/wire"
)

// jars is a made-up kind of task: how many jars fill so many boxes of six? It stands
// here alone, with a strand of its own; no other line of the house names it.
type jars struct {
	Boxes place.Number `json:"boxes"`
}

const (
	ofJars task.Kind      = "jars"
	packed choose.StageID = "packing/boxes-of-six"
)

func (j jars) Valid() error {
	if j.Boxes < 1 || j.Boxes > 9 {
		return errors.New("there are one to nine boxes")
	}
	return nil
}
func (j jars) String() string             { return fmt.Sprintf("%d boxes", j.Boxes) }
func (j jars) Right() task.Answer         { return task.Answer{6 * j.Boxes} }
func (j jars) Write(a task.Answer) string { return a[0].String() }
func (j jars) Read(given string) (task.Answer, bool) {
	n, read := task.ReadNumber(given)
	return task.Answer{n}, read
}
func (j jars) Shows() []task.Skill {
	if j.Boxes > 5 {
		return []task.Skill{"many-boxes"}
	}
	return nil
}
func (j jars) Wrong() []task.Wrong {
	return []task.Wrong{{Slip: "counts-boxes", Answer: task.Answer{j.Boxes}}}
}
func (j jars) Largest() place.Number { return j.Boxes }

func init() {
	slip.Register("counts-boxes")
	task.Register(ofJars, task.Rules{Version: 1, Read: func(_ int, data []byte) (task.Data, error) {
		var j jars
		err := json.Unmarshal(data, &j)
		if nested := (struct{ Data *jars }{}); err == nil && json.Unmarshal(data, &nested) == nil && nested.Data != nil {
			j = *nested.Data
		}
		return j, err
	}, Parse: func(text string) (task.Data, error) {
		var j jars
		if _, err := fmt.Sscanf(text, "%d boxes", &j.Boxes); err != nil {
			return nil, task.ErrForm
		}
		return j, j.Valid()
	}})
	ladder.Register("packing", ladder.Stage{
		ID: packed, Manners: []book.Manner{book.Pieces, book.Head}, Example: task.Task{Kind: ofJars, Data: jars{4}},
		Accepts: func(t task.Task) bool { return t.Kind == ofJars },
		Asks:    func(place.Number) []task.Skill { return []task.Skill{"many-boxes"} },
		Within:  func(place.Number) bool { return true },
	})
}

// A made-up kind goes all the way from a lesson of mixed kinds through its records
// to the vine, with its own right answers, skills and slips.
func TestAMadeUpKindFromRecordToVine(t *testing.T) {
	s := newSchool(t)
	items := append(lesson.Items("", problem.SumOf(47, 25)), lesson.Item{Task: task.Task{Kind: ofJars, Data: jars{7}}, Stage: packed})
	l, err := lesson.New(items, material.Beads, []string{s.wren.ID.String()})
	must(t, err)
	nth, ended := 1, lesson.Ended
	l, err = l.With(lesson.Change{Nth: &nth})
	must(t, err)
	kept := store.Lesson{Lesson: l, ID: uuid.New(), ClassID: s.orchard.ID, OpenedBy: s.hanne.ID, ChangedAt: today.Time()}
	must(t, s.AddLesson(ctx, kept))
	kept, err = s.Lesson(ctx, s.orchard.ID, kept.ID)
	must(t, err)
	if kept.Current().Task.Key() != "jars:7 boxes" || kept.Items[0].Task.Key() != "sum:47+25" {
		t.Fatalf("kept as %+v", kept.Items)
	}

	// It has no mat, and is written up all the same.
	class := setting.Default()
	wren := []lesson.Child{{ID: s.wren.ID.String(), Name: "Wren A."}}
	view, err := kept.Open(class.Words(), class.Method())
	must(t, err)
	link, err := wire.LinkOf(class, kept.ID.String(), kept.Lesson, view, wren, "09:00")
	if err != nil || link.Sum.Said != "7 boxes" || link.Next != say.WriteUp || link.Sum.Stage.ID != string(packed) {
		t.Errorf("%+v, %v", link, err)
	}
	if shown := wire.LessonOf(class, link, 1, view, wren); len(shown.Steps) != 0 {
		t.Errorf("%d steps", len(shown.Steps))
	}
	must(t, func() error { _, err := kept.With(lesson.Change{Stand: &ended}); return err }())

	record := func(boxes place.Number, answer string, day book.Day) {
		o := s.seen(1, 2, day)
		o.Task, o.Answer, o.Came = task.Task{Kind: ofJars, Data: jars{boxes}}, answer, book.Typed
		o.LessonID, o.Nth = uuid.NullUUID{UUID: kept.ID, Valid: true}, 1
		must(t, o.Valid(day))
		must(t, s.Record(ctx, o, true))
	}
	for i, boxes := range []place.Number{1, 2, 3, 4, 5, 1, 2, 3} {
		record(boxes, fmt.Sprint(6*boxes), today-3+book.Day(i/5))
	}
	look := func() (ladder.Child, ladder.Leaf) {
		child := standOf(t, s.Store, s.orchard.ID, s.wren.ID)
		return child, child.Vine("packing", today)[0]
	}
	child, leaf := look()
	if leaf.State != ladder.UnderWay || !strings.Contains(say.Words{}.LeafReason(child, leaf, today), "Many boxes is still to be seen.") {
		t.Errorf("without many boxes: %s, %s", leaf.State, say.Words{}.LeafReason(child, leaf, today))
	}
	record(7, "42", today)
	if _, leaf = look(); leaf.State != ladder.Secure {
		t.Errorf("with many boxes: %+v", leaf)
	}
	record(8, "8", today)
	record(9, "9", today)
	child, leaf = look()
	if lobe := leaf.Lobes[0]; lobe.State != ladder.Wobbling || lobe.Fits != 2 || len(lobe.Slips) != 1 || !slices.Equal(lobe.Slips[0], []slip.ID{"counts-boxes"}) {
		t.Errorf("two slips: %+v", lobe)
	}
	vines := wire.VinesOf(say.Words{}, child.Class, []group.Child{{ID: "w", Name: "Wren A.", Child: child}}, nil, "packing", group.ByNeed, packed, today)
	if vines.Stages[0].Name != "boxes of six" || vines.Columns[0].Leaves[0].State != "wobbling" || vines.Groups[0].Name != "wobbling" {
		t.Errorf("%+v", vines)
	}
	worked, err := s.Worked(ctx, s.orchard.ID, []uuid.UUID{s.wren.ID}, ofJars, today-9)
	if err != nil || len(worked) != 8 {
		t.Errorf("%d were worked lately, %v", len(worked), err)
	}
}
