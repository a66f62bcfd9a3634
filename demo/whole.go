package demo

import (
	"context"
	"slices"
	"time"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/lesson"
	"vineswap/core/number"
	"vineswap/core/opener"
	"vineswap/core/turns"
	"vineswap/store"
)

// Whole-class openers of the last mornings: one card a day, about which some children explain.
const (
	warmMornings = 6
	explainADay  = 4
)

// cards are what the guide has said to the class.
var cards = []string{
	"Say a number that hides its ten.", "What comes before 20? And before 30?", "Ten pots and three pots: say it two ways.", "Who can show sixteen with a friend?", "A hive has 34 frames. How many tens is that?", "Which is more, 5 tens or 45 ones?",
}

// rows are the rows of openers that the class keeps.
func rows() []opener.Row {
	flash := opener.Flash{Tenths: 20, Times: 1}
	return []opener.Row{
		{Name: "Monday", Openers: []opener.Opener{
			{Kind: opener.OfFlashes, Count: 5, Shown: number.Rack100, UpTo: 100, Flash: flash}, {Kind: opener.InHead, Count: 3, Stage: choose.OverTen}, {Kind: opener.OwnCard, Count: 1, Text: cards[0]},
		}},
		{Name: "A rainy day", Openers: []opener.Opener{
			{Kind: opener.Fingers, Count: 3, Flash: flash}, {Kind: opener.HowMany, Count: 4, UpTo: 100}, {Kind: opener.SpotSlip, Count: 2, Stage: choose.OneSwapOnes},
		}},
	}
}

// keepWhole keeps the rows of openers of a class, and who explained on the last mornings.
func keepWhole(ctx context.Context, s *store.Store, y *year) error {
	classID := y.children[0].class
	for _, r := range rows() {
		if err := s.PutOpenerRow(ctx, store.OpenerRow{Row: r, ID: id("row", r.Name), ClassID: classID, MadeBy: y.lead}); err != nil {
			return err
		}
	}
	known := turns.Known{Since: map[string]book.Day{}}
	var here []string
	for _, c := range y.children {
		here = append(here, c.id.String())
		known.Since[c.id.String()] = y.days[0]
	}
	slices.Sort(here)
	before := y.days[:len(y.days)-1]
	for n, day := range before[len(before)-warmMornings:] {
		l, err := lesson.ForAll([]lesson.Item{{Task: opener.Card{Text: cards[n%len(cards)]}.Task()}}, y.kind, here)
		if err != nil {
			return err
		}
		ended := lesson.Ended
		if l, err = l.With(lesson.Change{Stand: &ended}); err != nil {
			return err
		}
		name := day.String()
		at := time.Date(day.Time().Year(), day.Time().Month(), day.Time().Day(), 8, 20, 0, 0, y.zone)
		kept := store.Lesson{Lesson: l, ID: id("warm-up", name), ClassID: classID, OpenedBy: y.lead, ChangedAt: at}
		if err := s.AddLesson(ctx, kept); err != nil {
			return err
		}
		r := store.Round{ID: id("round", name), ClassID: classID, LessonID: kept.ID, Day: day, KeptBy: y.lead}
		for _, p := range known.Queue(here, day)[:explainADay] {
			of := y.children[slices.IndexFunc(y.children, func(c *child) bool { return c.id.String() == p.Child })]
			r.Turns = append(r.Turns, store.RoundTurn{LearnerID: of.id, Took: true})
			known.Turns = append(known.Turns, turns.Turn{Child: p.Child, Day: day, Seq: int64(len(known.Turns) + 1), Took: true})
		}
		if err := s.KeepRound(ctx, r, nil); err != nil {
			return err
		}
	}
	return nil
}
