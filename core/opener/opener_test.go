package opener_test

import (
	"encoding/json"
	"errors"
	"fmt"
	"slices"
	"strconv"
	"strings"
	"testing"
	"time"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/number"
	"vineswap/core/opener"
	"vineswap/core/place"
	"vineswap/core/slip"
	"vineswap/core/task"
)

func nobody(book.Way) int { return 0 }

// some are openers of every kind.
func some() []opener.Opener {
	flash := opener.Flash{Tenths: 20, Times: 2}
	list := []opener.Opener{
		{Kind: opener.Fingers, Count: 4, Flash: flash}, {Kind: opener.OwnCard, Text: "Say a number that hides its ten."},
		{Kind: opener.ShowMe, Count: 5, UpTo: 100}, {Kind: opener.ShowMe, Count: 5, UpTo: 10}, {Kind: opener.CountBy, Count: 2, UpTo: 100}, {Kind: opener.Riddles, Count: 3, UpTo: 100}, {Kind: opener.HowMany, Count: 6, UpTo: 100}, {Kind: opener.InParts, Count: 4, UpTo: 100},
	}
	for _, s := range opener.Flashed() {
		list = append(list, opener.Opener{Kind: opener.OfFlashes, Count: 5, Shown: s, Flash: flash, UpTo: 100})
	}
	for _, id := range opener.Stages() {
		list = append(list, opener.Opener{Kind: opener.InHead, Count: 4, Stage: id}, opener.Opener{Kind: opener.SpotSlip, Count: 3, Stage: id})
	}
	return list
}

// Every opener draws as many tasks as it has, each of which can be asked, counts for a stage
// that accepts it in a manner that the stage has, is kept and read as itself, and the same
// seed draws the same.
func TestDraw(t *testing.T) {
	for _, o := range some() {
		for seed := range uint64(30) {
			list, err := o.Draw(seed, nobody)
			if err != nil || len(list) != max(1, o.Count) && o.UpTo != 10 {
				t.Fatalf("%+v: %d tasks, %v", o, len(list), err)
			}
			again, _ := o.Draw(seed, nobody)
			for i, d := range list {
				if err := d.Task.Valid(); err != nil {
					t.Fatalf("%+v: %s: %v", o, d.Task, err)
				}
				if again[i].Task.Key() != d.Task.Key() {
					t.Fatalf("%+v: another task by the same seed", o)
				}
				text, err := json.Marshal(d.Task)
				var read task.Task
				if err != nil || json.Unmarshal(text, &read) != nil || read.Key() != d.Task.Key() {
					t.Fatalf("%s is kept as %s, %v", d.Task, text, err)
				}
				if back, err := task.FromKey(d.Task.Key()); err != nil || back.Key() != d.Task.Key() {
					t.Fatalf("%s is read as %s, %v", d.Task.Key(), back, err)
				}
				checkStage(t, o, d)
			}
		}
	}
}

func checkStage(t *testing.T, o opener.Opener, d opener.Drawn) {
	t.Helper()
	if o.Kind == opener.OwnCard || o.Kind == opener.SpotSlip {
		if d.Stage != "" || len(d.Task.Shows()) != 0 {
			t.Fatalf("%s counts for %q", d.Task, d.Stage)
		}
		return
	}
	stage, known := ladder.StageByID(d.Stage)
	if !known || !stage.Accepts(d.Task) || !slices.Contains(stage.Manners, d.Manner) || !d.Task.IsRight(d.Task.Result()) {
		t.Fatalf("%s counts for %q in the manner %q", d.Task, d.Stage, d.Manner)
	}
	if shown := o.Kind == opener.OfFlashes || o.Kind == opener.Fingers; shown != (d.Flash != nil) || shown && d.Manner != book.Drawn {
		t.Fatalf("%s is flashed as %v, in the manner %q", d.Task, d.Flash, d.Manner)
	}
}

// A row of flashes climbs: no number needs fewer looks than the one before it, none comes
// twice, and the last needs more than the first.
func TestClimb(t *testing.T) {
	for _, s := range opener.Flashed() {
		for seed := range uint64(60) {
			row := opener.Climb(s, 100, 5, seed, nobody)
			looks := make([]int, len(row))
			for i, n := range row {
				looks[i] = opener.Glances(s, n)[0].Looks
				if slices.Contains(row[:i], n) {
					t.Fatalf("%s: %v has a number twice", s, row)
				}
			}
			if len(row) != 5 || !slices.IsSorted(looks) || looks[0] >= looks[4] {
				t.Fatalf("%s: %v in %v looks", s, row, looks)
			}
		}
	}
}

// Among numbers of as many looks those come first whose easiest way of seeing nobody has
// named yet.
func TestClimbForThoseWhoAreHere(t *testing.T) {
	before := 0
	for seed := range uint64(40) {
		row := opener.Climb(number.Rack100, 100, 5, seed, func(w book.Way) int {
			if w == book.FromFifty {
				return 0
			}
			return 9
		})
		for _, n := range row {
			if g := opener.Glances(number.Rack100, n); g[0].Way == book.FromFifty {
				before++
			}
		}
	}
	usual := 0
	for seed := range uint64(40) {
		for _, n := range opener.Climb(number.Rack100, 100, 5, seed, nobody) {
			if g := opener.Glances(number.Rack100, n); g[0].Way == book.FromFifty {
				usual++
			}
		}
	}
	if before <= usual {
		t.Errorf("from fifty is asked %d times where nobody has named it, %d times else", before, usual)
	}
}

// In any second light changes three times at most, also when the guide shows a flash again as
// soon as it is covered and stays so for as long as it must.
func TestLightChangesSlowly(t *testing.T) {
	for tenths := opener.LeastTenths; tenths <= opener.MostTenths; tenths++ {
		for times := 1; times <= opener.MostTimes; times++ {
			f := opener.Flash{Tenths: tenths, Times: times}
			if err := f.Valid(); err != nil {
				t.Fatal(err)
			}
			changes := f.Changes()
			for _, c := range f.Changes() { // shown again
				changes = append(changes, changes[2*times-1]+opener.Covered+c)
			}
			for i := range changes {
				within := 0
				for _, other := range changes[i:] {
					if other-changes[i] < time.Second {
						within++
					}
				}
				if within > 3 || i%2 == 1 && changes[i]-changes[i-1] != time.Duration(tenths)*100*time.Millisecond {
					t.Errorf("%+v: %v", f, changes)
				}
			}
		}
	}
}

// What is refused, and why.
func TestWrongOpeners(t *testing.T) {
	flash := opener.Flash{Tenths: 20, Times: 1}
	for name, c := range map[string]struct {
		o    opener.Opener
		want error
	}{
		"a flash of 0 s":         {opener.Opener{Kind: opener.OfFlashes, Count: 3, Shown: number.Rack100, UpTo: 100, Flash: opener.Flash{Times: 1}}, opener.ErrSeconds},
		"a flash of a minute":    {opener.Opener{Kind: opener.OfFlashes, Count: 3, Shown: number.Rack100, UpTo: 100, Flash: opener.Flash{Tenths: 600, Times: 1}}, opener.ErrSeconds},
		"shown three times":      {opener.Opener{Kind: opener.Fingers, Count: 3, Flash: opener.Flash{Tenths: 20, Times: 3}}, opener.ErrTimes},
		"a crowd that flashes":   {opener.Opener{Kind: opener.OfFlashes, Count: 3, Shown: number.Crowd, UpTo: 100, Flash: flash}, opener.ErrFlashed},
		"no such kind":           {opener.Opener{Kind: "song", Count: 3}, opener.ErrKind},
		"none of them":           {opener.Opener{Kind: opener.ShowMe, UpTo: 100}, opener.ErrCount},
		"up to 101":              {opener.Opener{Kind: opener.ShowMe, Count: 3, UpTo: 101}, opener.ErrUpTo},
		"sums of no stage":       {opener.Opener{Kind: opener.InHead, Count: 3, Stage: choose.AnySum}, opener.ErrStage},
		"a slip of sharing":      {opener.Opener{Kind: opener.SpotSlip, Count: 3, Stage: choose.OneSwapOnes, Slips: []slip.ID{slip.DigitsReversed}}, opener.ErrSlip},
		"a card without words":   {opener.Opener{Kind: opener.OwnCard}, opener.ErrText},
		"a card of a whole page": {opener.Opener{Kind: opener.OwnCard, Text: strings.Repeat("word ", 80)}, opener.ErrText},
	} {
		if err := c.o.Valid(); !errors.Is(err, c.want) {
			t.Errorf("%s: %v", name, err)
		}
		if _, err := c.o.Draw(1, nobody); !errors.Is(err, c.want) {
			t.Errorf("%s is drawn: %v", name, err)
		}
	}
	card := opener.Opener{Kind: opener.OwnCard, Text: "Ten pots and three pots: say it two ways."}
	for name, c := range map[string]struct {
		row  opener.Row
		want error
	}{
		"no opener":       {opener.Row{Name: "Monday"}, opener.ErrRow},
		"nine of them":    {opener.Row{Name: "Monday", Openers: slices.Repeat([]opener.Opener{card}, 9)}, opener.ErrRow},
		"too many tasks":  {opener.Row{Name: "Monday", Openers: slices.Repeat([]opener.Opener{{Kind: opener.ShowMe, Count: 8, UpTo: 100}}, 4)}, opener.ErrRow},
		"without a name":  {opener.Row{Name: " ", Openers: []opener.Opener{card}}, book.ErrNoName},
		"one that cannot": {opener.Row{Name: "Monday", Openers: []opener.Opener{{Kind: "song"}}}, opener.ErrKind},
		"a good one":      {opener.Row{Name: "Monday", Openers: []opener.Opener{card}}, nil},
	} {
		if err := c.row.Valid(); !errors.Is(err, c.want) {
			t.Errorf("%s: %v", name, err)
		}
	}
}

// In the example with a planted slip another number stands below the line, in the others the
// right one. The first has its slip; now and then there is none to be found in a later one.
func TestSpotTheSlip(t *testing.T) {
	planted, none := 0, 0
	for _, id := range opener.Stages() {
		for seed := range uint64(40) {
			list, err := opener.Opener{Kind: opener.SpotSlip, Count: 3, Stage: id}.Draw(seed, nobody)
			if err != nil {
				t.Fatal(err)
			}
			for nth, d := range list {
				s, _ := opener.SpotFrom(d.Task)
				if nth == 0 && s.Planted == 0 {
					t.Fatalf("%s: the first has no slip", s)
				}
				for i := range s.Numbers {
					right := s.Problem(i).Task().Right()[0]
					written := s.Written(i)
					if is := place.Number(read(written)) == right; is == (i+1 == s.Planted) {
						t.Fatalf("%s: %d stands in example %d, right is %d", s, read(written), i+1, right)
					}
				}
				if s.Planted == 0 {
					none++
				} else {
					planted++
				}
				if got := d.Task.Result(); !d.Task.IsRight(got) {
					t.Fatalf("%s: %q is not right", s, got)
				}
			}
		}
	}
	if none < planted/8 || none > planted {
		t.Errorf("a slip is planted %d times, %d times none", planted, none)
	}
	only, err := opener.Opener{Kind: opener.SpotSlip, Count: 8, Stage: choose.OneSwapOnes, Slips: []slip.ID{"drops-new-ten"}}.Draw(3, nobody)
	if err != nil {
		t.Fatal(err)
	}
	for _, d := range only {
		if s, _ := opener.SpotFrom(d.Task); s.Planted > 0 && s.Slip != "drops-new-ten" {
			t.Errorf("%s is planted", s.Slip)
		}
	}
}

// read is the number that is written below the line.
func read(w slip.Written) int {
	text := ""
	for _, c := range w.Columns {
		text = c.Result + text
	}
	n, err := strconv.Atoi(text)
	if err != nil {
		return -1
	}
	return n
}

// A guide plants a slip of its own, which must change something there.
func TestSpotTyped(t *testing.T) {
	for text, want := range map[string]error{
		"spot 47+25 36+27 58+16 2 drops-new-ten": nil, "spot 47+25 36+27 58+16": nil,
		"spot 47+25 36+21 58+16 2 drops-new-ten": opener.ErrPlanted, "spot 47+25 36+27 58+16 4 drops-new-ten": opener.ErrSpot, "spot 47+25 36+27": task.ErrForm, "card": task.ErrForm,
	} {
		kind, _, _ := strings.Cut(text, " ")
		got, err := task.FromKey(kind + ":" + text)
		if !errors.Is(err, want) || err == nil && got.String() != text {
			t.Errorf("%q: %v", text, err)
		}
	}
}

// Numbers of a row of flashes on the rack of 100, and how they are seen.
func ExampleClimb() {
	for _, n := range opener.Climb(number.Rack100, 100, 5, 2, nobody) {
		g := opener.Glances(number.Rack100, n)[0]
		fmt.Println(n > 0, g.Looks)
	}
	// Output:
	// true 1
	// true 2
	// true 3
	// true 3
	// true 4
}
