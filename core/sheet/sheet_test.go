package sheet_test

import (
	"errors"
	"fmt"
	"slices"
	"testing"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/hue"
	"vineswap/core/ladder"
	"vineswap/core/number"
	"vineswap/core/paper"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/setting"
	"vineswap/core/sheet"
	"vineswap/core/swap"
	"vineswap/core/task"
)

func parse(t testing.TB, text string) task.Task {
	t.Helper()
	made, err := task.Parse(text)
	if err != nil {
		t.Fatal(text, err)
	}
	return made
}

func print(s sheet.Spec) sheet.Print {
	return sheet.Print{Spec: s, Class: setting.Default(), Of: "Orchard room", Code: "K7"}
}

func drawn(t testing.TB, s sheet.Spec, stage choose.StageID, seed uint64) []sheet.Item {
	t.Helper()
	items, err := s.Draw([]sheet.Part{{Stage: stage, Count: s.Count}}, sheet.From{Range: choose.Widest}, seed)
	if err != nil {
		t.Fatalf("%s, %s: %v", s.Kind, stage, err)
	}
	return items
}

// edges are how far a mark reaches; of a text the line that it stands on.
func edges(m sheet.Mark) (left, top, right, bottom float64) {
	switch m := m.(type) {
	case sheet.Text:
		return m.X, m.Y - m.Size*0.7, m.X, m.Y
	case sheet.Line:
		return min(m.X1, m.X2), min(m.Y1, m.Y2), max(m.X1, m.X2), max(m.Y1, m.Y2)
	case sheet.Box:
		return m.X, m.Y, m.X + m.W, m.Y + m.H
	case sheet.Disc:
		return m.X - m.R, m.Y - m.R, m.X + m.R, m.Y + m.R
	}
	points := m.(sheet.Path).Points
	left, top, right, bottom = points[0].X, points[0].Y, points[0].X, points[0].Y
	for _, p := range points {
		left, top, right, bottom = min(left, p.X), min(top, p.Y), max(right, p.X), max(bottom, p.Y)
	}
	return left, top, right, bottom
}

// inside tells what of a page lies outside its margins, or is upside down.
func inside(t *testing.T, name string, pages []sheet.Page) {
	t.Helper()
	for n, page := range pages {
		if len(page.Marks) < 5 {
			t.Errorf("%s, page %d: nothing on it", name, n+1)
		}
		for _, m := range page.Marks {
			left, top, right, bottom := edges(m)
			if left < sheet.Side-0.6 || right > page.Width-sheet.Side+0.6 || top < sheet.End-0.6 || bottom > page.Height-sheet.End+0.6 {
				t.Errorf("%s, page %d: %+v is outside the margins", name, n+1, m)
			}
			if box, is := m.(sheet.Box); is && (box.W <= 0 || box.H <= 0) {
				t.Errorf("%s, page %d: %+v has no size", name, n+1, box)
			}
			if text, is := m.(sheet.Text); is && text.Words != "" && text.Size < 2 {
				t.Errorf("%s, page %d: %q is %.1f mm", name, n+1, text.Words, text.Size)
			}
		}
	}
}

// Every kind of sheet of every stage, with every count, paper and key, lies inside the
// margins.
func TestEverySheetLiesInsideItsMargins(t *testing.T) {
	for _, kind := range sheet.Kinds() {
		counts, _ := kind.Counts()
		if counts == nil || kind == sheet.Minute {
			continue
		}
		for _, stage := range kind.Stages() {
			for i, count := range counts {
				s := sheet.Usual(kind)
				s.Count, s.Seed = count, uint64(i+3)
				s.Paper, s.Key = sheet.Papers()[i%2], sheet.Keys()[i%3]
				s.Room = kind.HasRoom() && i == 0
				name := fmt.Sprintf("%s of %s, %d on %s, key %s", kind, stage, count, s.Paper, s.Key)
				pages, err := print(s).Pages(sheet.Own{Name: "Ada W.", Items: drawn(t, s, stage, s.Seed)})
				if err != nil {
					t.Errorf("%s: %v", name, err)
				}
				inside(t, name, pages)
				if want := map[sheet.Key]int{sheet.OnPage: 2}[s.Key]; len(pages) != max(1, want) {
					t.Errorf("%s: %d pages", name, len(pages))
				}
			}
		}
	}
	for _, s := range []sheet.Spec{sheet.Usual(sheet.Cards), sheet.Usual(sheet.Record), sheet.Usual(sheet.Minute)} {
		for _, s.Paper = range sheet.Papers() {
			p := print(s)
			for i := range 45 {
				p.Names = append(p.Names, fmt.Sprint("Child ", i))
			}
			own := sheet.Own{}
			if s.Kind == sheet.Minute {
				own.Items = drawn(t, s, "", 1)
			}
			pages, err := p.Pages(own)
			if err != nil {
				t.Error(s.Kind, err)
			}
			inside(t, string(s.Kind), pages)
		}
	}
}

// More tasks than a page holds go on overleaf, and the numbers go on too.
func TestManyTasksGoOntoFurtherPages(t *testing.T) {
	s := sheet.Usual(sheet.Column)
	var items []sheet.Item
	for i := range 15 {
		items = append(items, sheet.Item{Task: problem.SumOf(place.Number(20+i), 35).Task()})
	}
	pages, err := print(s).Pages(sheet.Own{Items: items})
	if err != nil || len(pages) != 2 || !numbered(pages[1], "13") || !numbered(pages[1], "15") || numbered(pages[0], "13") {
		t.Errorf("%d pages, %v", len(pages), err)
	}
}

// numbered tells whether a task of a page has a number.
func numbered(p sheet.Page, nth string) bool {
	return slices.ContainsFunc(p.Marks, func(m sheet.Mark) bool {
		text, is := m.(sheet.Text)
		return is && text.Words == nth && text.Ink == sheet.Grey
	})
}

func hasText(p sheet.Page, words string) bool {
	return slices.ContainsFunc(p.Marks, func(m sheet.Mark) bool {
		text, is := m.(sheet.Text)
		return is && text.Words == words
	})
}

// All columns of a sheet have as many boxes, so that none tells how long its answer is.
func TestNoColumnGivesItsAnswerAway(t *testing.T) {
	for _, notation := range []func(*setting.Class){func(*setting.Class) {}, func(c *setting.Class) { c.Carried, c.Crossing = paper.Under, paper.InFront }, func(c *setting.Class) { c.Carried = paper.Beside }} {
		for _, list := range [][]string{{"47+25", "42+36", "68+57"}, {"503-128", "999-111", "120-30"}} {
			var boxes, small []int
			for _, text := range list {
				p := print(sheet.Usual(sheet.Column))
				notation(&p.Class)
				p.Key = sheet.NoKey
				own := sheet.Own{}
				for _, other := range list {
					own.Items = append(own.Items, sheet.Item{Task: parse(t, other)})
				}
				own.Items[0], own.Items[slices.Index(list, text)] = own.Items[slices.Index(list, text)], own.Items[0]
				pages, err := p.Pages(own)
				if err != nil {
					t.Fatal(err)
				}
				boxes, small = append(boxes, count(pages[0], false)), append(small, count(pages[0], true))
			}
			if boxes[0] != 3*len(list) || slices.Max(boxes) != slices.Min(boxes) || slices.Max(small) != slices.Min(small) || small[0] == 0 {
				t.Errorf("%v: boxes %v, small ones %v", list, boxes, small)
			}
		}
	}
}

// count counts the boxes to write into, or the dashed small ones.
func count(p sheet.Page, dashed bool) (n int) {
	for _, m := range p.Marks {
		if box, is := m.(sheet.Box); is && box.Dashed == dashed && box.Breadth > 0 && box.Fill == "" {
			n++
		}
	}
	return n
}

// What is drawn is of its stage, each task once, as many as are asked for where there are so
// many; the same seed draws the same and another one others.
func TestWhatIsDrawn(t *testing.T) {
	for _, kind := range sheet.Kinds() {
		counts, _ := kind.Counts()
		if counts == nil || kind == sheet.Minute {
			continue
		}
		for _, stage := range kind.Stages() {
			known, _ := ladder.StageByID(stage)
			s := sheet.Usual(kind)
			for seed := range uint64(2) {
				items := drawn(t, s, stage, seed)
				keys := map[string]bool{}
				for _, item := range items {
					if item.Stage != stage || !known.Accepts(item.Task) || item.Task.Valid() != nil || kind.Takes(item.Task) != nil {
						t.Errorf("%s of %s: %s does not belong there: %v", kind, stage, item.Task, item.Task.Valid())
					}
					if keys[item.Task.Key()] {
						t.Errorf("%s of %s: %s stands there twice", kind, stage, item.Task)
					}
					keys[item.Task.Key()] = true
				}
				if again := drawn(t, s, stage, seed); !slices.EqualFunc(items, again, func(a, b sheet.Item) bool { return a.Task.Key() == b.Task.Key() }) {
					t.Errorf("%s of %s: seed %d draws two sheets", kind, stage, seed)
				}
				if len(items) != s.Count && len(items) != 9 && len(items) != 8 { // there are only so many whole tens, and bonds
					t.Errorf("%s of %s: %d tasks, %d were asked for", kind, stage, len(items), s.Count)
				}
			}
		}
	}
}

// What a child had is left out as long as there is something else.
func TestWhatAChildHadIsLeftOut(t *testing.T) {
	for _, c := range []struct {
		kind  sheet.Kind
		stage choose.StageID
	}{{sheet.Column, choose.OneSwapOnes}, {sheet.Column, choose.AcrossZeros}, {sheet.DrawnTens, number.TensAndOnes}, {sheet.RingTens, number.TensAndOnes}} {
		s := sheet.Usual(c.kind)
		from := sheet.From{Range: choose.Widest}
		for seed := range uint64(6) {
			items, err := s.Draw([]sheet.Part{{Stage: c.stage, Count: s.Count}}, from, seed)
			if err != nil {
				t.Fatal(err)
			}
			for _, item := range items {
				if slices.ContainsFunc(from.Had, func(t task.Task) bool { return alike(t, item.Task) }) {
					t.Errorf("%s: %s came again", c.kind, item.Task)
				}
				from.Had = append(from.Had, item.Task)
			}
		}
	}
	s := sheet.Usual(sheet.Teens) // of nine numbers all were had
	var had []task.Task
	for n := place.Number(11); n <= 19; n++ {
		had = append(had, number.Asked{Number: n, Shown: number.Numeral, Answered: number.Fill}.Task())
	}
	items, err := s.Draw([]sheet.Part{{Stage: number.TenAndOnes, Count: s.Count}}, sheet.From{Had: had}, 1)
	if err != nil || len(items) != s.Count {
		t.Errorf("%d tasks, %v", len(items), err)
	}
}

// alike tells whether two tasks ask the same number, however things lie.
func alike(a, b task.Task) bool {
	one, is := number.From(a)
	other, also := number.From(b)
	if is && also {
		return one.Number == other.Number && one.Shown == other.Shown && one.Answered == other.Answered
	}
	return a.Key() == b.Key()
}

// A sheet for a child that shows a slip has numbers that bring it out.
func TestNumbersThatBringASlipOut(t *testing.T) {
	s := sheet.Usual(sheet.Column)
	s.Count = 6
	shows := func(from sheet.From) (n int) {
		for seed := range uint64(4) {
			items, err := s.Draw([]sheet.Part{{Stage: choose.TakeSeveralSwaps, Count: s.Count}}, from, seed)
			if err != nil {
				t.Fatal(err)
			}
			for _, item := range items {
				if _, does := item.Task.Slipped("counts-the-start"); does {
					n++
				}
			}
		}
		return n
	}
	from := sheet.From{Range: choose.Widest}
	usual := shows(from)
	from.Slips = append(from.Slips, nil)
	from.Slips[0] = append(from.Slips[0], "counts-the-start")
	if wanted := shows(from); wanted < usual || wanted != 24 {
		t.Errorf("%d of 24 bring it out, %d without asking", wanted, usual)
	}
}

// The key has what is right, and what each slip of it really gives.
func TestTheKey(t *testing.T) {
	for _, text := range []string{"47+25", "368+275", "503-128", "62-38"} {
		item := sheet.Item{Task: parse(t, text)}
		key := print(sheet.Usual(sheet.Column)).KeyOf(sheet.Own{Items: []sheet.Item{item}})
		if len(key) != 1 || !item.Task.IsRight(key[0].Answer) || len(key[0].Gives) == 0 {
			t.Fatalf("%s: %+v", text, key)
		}
		for _, g := range key[0].Gives {
			if !slices.Contains(item.Task.Explains(g.Answer), g.Slip) {
				t.Errorf("%s: %s does not give %s", text, g.Slip, g.Answer)
			}
		}
	}
	p := print(sheet.Usual(sheet.Column))
	own := sheet.Own{Items: []sheet.Item{{Task: parse(t, "47+25")}, {Task: parse(t, "42+36")}, {Task: parse(t, "38+27")}}}
	key := p.KeyOf(own)
	best := sheet.Commonest(key)
	shows := func(e sheet.Entry) bool {
		return slices.ContainsFunc(e.Gives, func(g sheet.Gives) bool { return g.Slip == best })
	}
	if !shows(key[0]) || !shows(key[2]) {
		t.Errorf("the commonest is said to be %s", best)
	}
	pages, err := p.Pages(own)
	if err != nil || !hasText(pages[0], "72") || !hasText(pages[0], "78") || !hasText(pages[0], "65") {
		t.Errorf("the answers are not at the foot: %v", err)
	}
	p.Key = sheet.NoKey
	if pages, err = p.Pages(own); err != nil || hasText(pages[0], "72") {
		t.Errorf("an answer without a key: %v", err)
	}
}

// The cards are those from 1 to 9,000, each once, and as wide as their digits: laid on one
// another with their right edges flush, each digit stands where it belongs.
func TestNumberCards(t *testing.T) {
	for _, paper := range sheet.Papers() {
		s := sheet.Usual(sheet.Cards)
		s.Paper = paper
		pages, err := print(s).Pages(sheet.Own{})
		if err != nil {
			t.Fatal(err)
		}
		seen := map[string]bool{}
		for _, page := range pages {
			for _, m := range page.Marks {
				box, is := m.(sheet.Box)
				if !is {
					continue
				}
				digits := ""
				for _, other := range page.Marks {
					text, is := other.(sheet.Text)
					if is && text.X > box.X && text.X < box.X+box.W && text.Y > box.Y && text.Y < box.Y+box.H {
						digits += text.Words
						fromRight := (box.X + box.W - text.X) / sheet.CardWide
						if at := float64(int(fromRight)) + 0.5; fromRight != at && fromRight-at > 1e-9 {
							t.Errorf("%s: a digit stands %.2f widths from the right", digits, fromRight)
						}
					}
				}
				if seen[digits] || box.W != sheet.CardWide*float64(len(digits)) || box.H != sheet.CardHigh {
					t.Errorf("the card %s is %.1f by %.1f mm", digits, box.W, box.H)
				}
				seen[digits] = true
			}
		}
		if len(seen) != 36 || !seen["1"] || !seen["9000"] || !seen["500"] {
			t.Errorf("%d cards: %v", len(seen), seen)
		}
	}
}

// A strip has three to eight pictures; only the last has the whole answer.
func TestPictures(t *testing.T) {
	for _, text := range []string{"12+5", "38+27", "503-128", "368+275", "1265+2847", "9999-8888", "24+35+16", "72/3", "97/4", "23*4", "8+7", "6003-1248", "87+65+43+21+98+76"} {
		p, _ := problem.From(parse(t, text))
		tr, err := swap.Solve(p)
		if err != nil {
			t.Fatal(text, err)
		}
		list := sheet.Pictures(tr)
		if len(list) < sheet.FewestPictures || len(list) > sheet.MostPictures || !slices.IsSorted(list) || tr.Steps[list[len(list)-1]].Kind != swap.ReadOut {
			t.Errorf("%s: %v", text, list)
		}
		right := len(setting.Default().Notation().Sheet(tr).Marks)
		for _, i := range list[:len(list)-1] {
			if written := len(setting.Default().Notation().Sheets(tr)[i].Marks); written >= right {
				t.Errorf("%s: picture of step %d has the whole column", text, i)
			}
		}
		pages, err := print(sheet.Usual(sheet.Strip)).Pages(sheet.Own{Name: "Ada W.", Items: []sheet.Item{{Task: p.Task()}, {Task: parse(t, "47+35")}}})
		if err != nil {
			t.Fatal(text, err)
		}
		inside(t, text, pages)
		if hasText(pages[0], "Ada W.") {
			t.Errorf("%s: a strip has a child's name", text)
		}
	}
}

func TestStripsThatCannotBe(t *testing.T) {
	for _, text := range []string{"47", "123456+1", "12 frames write"} {
		_, err := print(sheet.Usual(sheet.Strip)).Pages(sheet.Own{Items: []sheet.Item{{Task: parse(t, text)}, {Task: parse(t, "47+35")}}})
		if !errors.Is(err, sheet.ErrTask) {
			t.Errorf("%s: %v", text, err)
		}
	}
}

func TestASpecThatCannotBe(t *testing.T) {
	for name, c := range map[string]struct {
		change func(*sheet.Spec)
		want   error
	}{
		"as usual":      {func(*sheet.Spec) {}, nil},
		"kind":          {func(s *sheet.Spec) { s.Kind = "columm" }, sheet.ErrKind},
		"paper":         {func(s *sheet.Spec) { s.Paper = "a5" }, sheet.ErrPaper},
		"key":           {func(s *sheet.Spec) { s.Key = "back" }, sheet.ErrKey},
		"count":         {func(s *sheet.Spec) { s.Count = 7 }, sheet.ErrCount},
		"stage":         {func(s *sheet.Spec) { s.Stage = choose.WithinTen }, sheet.ErrStage},
		"strand":        {func(s *sheet.Spec) { s.Strand = ladder.Tens }, sheet.ErrStrand},
		"days":          {func(s *sheet.Spec) { s.Days = -1 }, sheet.ErrDays},
		"facts":         {func(s *sheet.Spec) { *s = sheet.Usual(sheet.Minute); s.Facts = "all" }, sheet.ErrFacts},
		"stage, taking": {func(s *sheet.Spec) { s.Stage, s.Strand = choose.AcrossZeros, ladder.Taking }, nil},
	} {
		s := sheet.Usual(sheet.Column)
		c.change(&s)
		if err := s.Valid(); !errors.Is(err, c.want) {
			t.Errorf("%s: %v", name, err)
		}
	}
}

// Facts are what they are called, and none comes twice running.
func TestFacts(t *testing.T) {
	for _, facts := range sheet.AllFacts() {
		s := sheet.Usual(sheet.Minute)
		s.Facts, s.Count = facts, 40
		items := drawn(t, s, "", 5)
		for i, item := range items {
			p, is := problem.From(item.Task)
			a, asked := number.From(item.Task)
			ok := map[sheet.Facts]bool{
				sheet.Bonds:     asked && a.Answered == number.ToTen && a.Number >= 1 && a.Number <= 9,
				sheet.Doubles:   is && p.Kind == problem.Sum && p.Numbers[0] == p.Numbers[1],
				sheet.UpToTen:   is && p.Kind == problem.Sum && p.Answer() <= 10,
				sheet.OverTen:   is && p.Kind == problem.Sum && p.Answer() > 10 && p.Numbers[0] < 10 && p.Numbers[1] < 10,
				sheet.TakeFacts: is && p.Kind == problem.Difference && p.Answer() < 10 && p.Numbers[1] < 10,
			}[facts]
			if !ok || i > 0 && items[i-1].Task.Key() == item.Task.Key() {
				t.Errorf("%s: %s as the %dth", facts, item.Task, i+1)
			}
		}
		if len(items) != 40 {
			t.Errorf("%s: %d", facts, len(items))
		}
	}
}

// What is written on a sheet to be read can be read on white paper.
func TestInksCanBeRead(t *testing.T) {
	for _, ink := range []hue.Colour{sheet.Black, sheet.Grey} {
		if c := hue.Contrast(ink, sheet.White); c < 7 {
			t.Errorf("%s has %.1f", ink, c)
		}
	}
	if c := hue.Contrast(sheet.Edge, sheet.White); c < hue.AA {
		t.Errorf("edges have %.1f", c)
	}
}

// The manner in which a sheet's tasks count is one of the stage's own.
func TestManner(t *testing.T) {
	for _, c := range []struct {
		kind  sheet.Kind
		room  bool
		stage choose.StageID
		task  string
		want  book.Manner
	}{
		{sheet.Column, false, choose.OneSwapOnes, "47+25", book.Column},
		{sheet.Column, true, choose.OneSwapOnes, "47+25", book.Drawn},
		{sheet.Lying, false, choose.OneSwapOnes, "47+25", book.Head},
		{sheet.Lying, true, choose.OverTen, "8+7", book.Drawn},
		{sheet.RingTens, false, number.TensAndOnes, "34 crowd ring 5", book.Drawn},
		{sheet.DrawnTens, false, number.TensAndOnes, "34 numeral draw", book.Drawn},
		{sheet.Frames, false, number.TenAndOnes, "14 numeral fill", book.Drawn},
		{sheet.TensAndOnes, false, number.TensAndOnes, "34 numeral units", book.Head},
		{sheet.TensAndOnes, false, number.TensAndOnes, "34 units write", book.Head},
	} {
		s := sheet.Usual(c.kind)
		s.Room = c.room
		if got := s.Manner(c.stage, parse(t, c.task)); got != c.want {
			t.Errorf("%s on %s: %s", c.task, c.kind, got)
		}
	}
	for _, kind := range sheet.Kinds() {
		if !kind.Answered() {
			continue
		}
		for _, stage := range kind.Stages() {
			s := sheet.Usual(kind)
			known, _ := ladder.StageByID(stage)
			for _, item := range drawn(t, s, stage, 2) {
				if m := s.Manner(stage, item.Task); !slices.Contains(known.Manners, m) {
					t.Errorf("%s of %s: %s counts as %s", kind, stage, item.Task, m)
				}
			}
		}
	}
}
