package demo

import (
	"context"
	"math/rand/v2"

	"vineswap/core/choose"
	"vineswap/core/setting"
	"vineswap/core/sheet"
	"vineswap/store"
)

// Sheets that are out: printed on the last morning before today, each child with numbers of
// its own; nothing of them is typed yet.
const sheetChildren = 8

// Minutes of facts, one a week, of the first children of the class.
const (
	minuteWeeks    = 5
	minuteChildren = 12
)

// keepPaper keeps a sheet that is out, and minutes of facts.
func keepPaper(ctx context.Context, s *store.Store, y *year) error {
	day := y.days[len(y.days)-2]
	class := setting.Default()
	class.Range = y.class.reach
	made := store.Sheet{ID: id("sheet", day.String()), ClassID: y.children[0].class, Code: "K7", Spec: sheet.Usual(sheet.Column), Settings: class, Day: day, MadeBy: y.lead}
	made.Spec.Seed = 7
	for _, c := range y.children[:min(sheetChildren, len(y.children))] {
		stand := made.Spec.StandOf(c.Child, day)
		items, err := made.Spec.Draw(stand.Parts, sheet.From{Range: choose.Range(class.Range), Slips: stand.Slips}, uint64(c.at)+3)
		if err != nil {
			return err
		}
		made.Children = append(made.Children, store.SheetChild{LearnerID: c.id, Tasks: items})
	}
	if _, err := s.AddSheet(ctx, made); err != nil {
		return err
	}
	return keepMinutes(ctx, s, y)
}

// keepMinutes keeps minutes of doubles: most children come to a little more each week.
func keepMinutes(ctx context.Context, s *store.Store, y *year) error {
	rng := rand.New(rand.NewPCG(5, 9))
	for _, c := range y.children[:min(minuteChildren, len(y.children))] {
		tried := 12 + rng.IntN(8)
		for week := minuteWeeks; week > 0; week-- {
			at := len(y.days) - 1 - 5*week
			if at < 0 {
				continue
			}
			day := y.days[at]
			tried += rng.IntN(4) - 1
			m := store.Minute{ID: id("minute", c.id.String()+day.String()), ClassID: c.class, LearnerID: c.id, Timed: sheet.Timed{Facts: sheet.Doubles, Seconds: 60, Tried: tried, Right: tried - rng.IntN(3)}, Day: day, KeptBy: y.lead}
			if err := s.KeepMinute(ctx, m); err != nil {
				return err
			}
		}
	}
	return nil
}
