package sheet

import (
	"fmt"
	"strings"

	"vineswap/core/number"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/say"
	"vineswap/core/slip"
)

// Entry is a line of a key: what is right, and what usual slips would give.
type Entry struct {
	Nth     int
	Answer  string
	Columns []place.Column // of a problem worked in columns
	Gives   []Gives        // common slips first
}

// Gives is what a slip gives at a task.
type Gives struct {
	Slip   slip.ID
	Answer string
}

// KeyOf works out the key of a sheet.
func (p Print) KeyOf(own Own) []Entry {
	list := make([]Entry, len(own.Items))
	for i, item := range own.Items {
		e := Entry{Nth: p.first + i, Answer: item.Task.Result()}
		if pr, is := problem.From(item.Task); is {
			if _, t, worked := p.written(item); worked && !pr.Rests() {
				e.Columns = t.Columns
			}
		} else if a, is := number.From(item.Task); is && a.Answered == number.Pick {
			for j, n := range pictures(a) {
				if n == a.Number {
					e.Answer = fmt.Sprintf("%c: %s", 'a'+j, e.Answer)
				}
			}
		} else if is && a.Answered == number.Match {
			e.Answer = "4 pairs"
		}
		for _, w := range item.Task.Wrong() {
			e.Gives = append(e.Gives, Gives{w.Slip, item.Task.Write(w.Answer)})
		}
		list[i] = e
	}
	return list
}

// Commonest is the commonest slip that shows in at least half of a key's tasks, or else the
// one that shows in most of them; empty where none does. The slips of a task stand in the order
// of how common they are.
func Commonest(key []Entry) slip.ID {
	count := map[slip.ID]int{}
	var order []slip.ID
	for _, e := range key {
		seen := map[slip.ID]bool{}
		for _, g := range e.Gives {
			if !seen[g.Slip] {
				count[g.Slip]++
			}
			if seen[g.Slip] = true; count[g.Slip] == 1 {
				order = append(order, g.Slip)
			}
		}
	}
	best := slip.ID("")
	for _, id := range order {
		switch {
		case 2*count[id] >= len(key):
			return id
		case best == "" || count[id] > count[best]:
			best = id
		}
	}
	return best
}

// of is what a slip gives, or a dash.
func (e Entry) of(id slip.ID) string {
	for _, g := range e.Gives {
		if g.Slip == id {
			return g.Answer
		}
	}
	return "–"
}

// The measures of a key in mm.
const (
	keyLine = 4.9
	keySize = 4.0
	keyHead = 17.0 // the line to cut along, its words, and the heads of its columns
)

// keyAcross is how many columns of entries a key at the foot has.
func (p Print) keyAcross(key []Entry) int {
	if p.Kind == Minute {
		return 8
	}
	return 3
}

// keyFoot puts the key at the foot, and says how much room it takes.
func (p Print) keyFoot(page *Page, own Own) float64 {
	key := p.KeyOf(own)
	across := p.keyAcross(key)
	rows := (len(key) + across - 1) / across
	height := keyHead + keyLine*float64(rows)
	top := page.Height - End - footRoom - height + 3
	right := page.Width - Side
	scissors(page, Side, top)
	page.add(Line{X1: Side + 9, Y1: top, X2: right, Y2: top, Breadth: 0.25, Ink: Edge, Dashed: true})
	page.add(Text{X: Side, Y: top + 6.5, Size: 4.4, Words: p.Class.Words().SheetKey(true), Bold: true, Ink: Black})
	id := Commonest(key)
	if p.Kind == Minute {
		id = ""
	}
	if id != "" {
		page.add(Text{X: right, Y: top + 6.5, Size: 3.6, Words: "slip: " + say.KeySlip(p.Class.Habits[id], id), Align: Right, Ink: Grey, Most: right - Side - 72})
	}
	p.keyTable(page, Area{Side, top + 11, right - Side, keyLine * float64(rows)}, key, across, rows, id)
	return height + 3
}

func (p Print) keyTable(page *Page, a Area, key []Entry, across, rows int, id slip.ID) {
	w := a.W / float64(across)
	for c := range across {
		x := a.X + float64(c)*w
		if c*rows >= len(key) || p.Kind == Minute {
			continue
		}
		page.add(Text{X: x + 6, Y: a.Y, Size: 3.2, Words: say.SheetAnswer, Ink: Grey})
		if id != "" {
			page.add(Text{X: x + 42, Y: a.Y, Size: 3.2, Words: "slip", Ink: Grey})
		}
	}
	for i, e := range key {
		x, y := a.X+float64(i/rows)*w, a.Y+keyLine*float64(i%rows+1)
		page.add(Text{X: x, Y: y, Size: 3.4, Words: fmt.Sprint(e.Nth + 1), Ink: Grey})
		most := 17.0
		if e.Columns == nil {
			most = 34
		}
		page.add(Text{X: x + 6, Y: y, Size: keySize, Words: e.Answer, Bold: true, Ink: Black, Most: min(most, w-8)})
		if e.Columns != nil {
			p.cords(page, e.Columns, x+24, y-1.3)
		}
		if id != "" {
			page.add(Text{X: x + 42, Y: y, Size: keySize, Words: e.of(id), Ink: Black, Most: w - 43})
		}
	}
}

// cords draws the places of a problem as cords, ones at the right, linked where there is a
// swap.
func (p Print) cords(page *Page, columns []place.Column, x, y float64) {
	const cord, gap = 3.6, 1.2
	top := len(columns) - 1
	byPlace := make([]place.Column, len(columns))
	for _, c := range columns {
		if int(c.Place) > top {
			return
		}
		byPlace[c.Place] = c
	}
	for i := top; i >= 0; i-- {
		x1 := x + float64(top-i)*(cord+gap)
		ink := p.ink(place.Place(i))
		page.add(Line{X1: x1, Y1: y, X2: x1 + cord, Y2: y, Breadth: 0.4, Ink: ink})
		if i == 0 {
			page.add(Disc{X: x1 + cord + 0.5, Y: y, R: 0.6, Fill: ink})
			break
		}
		mid := x1 + cord + gap/2
		if byPlace[i-1].Swaps {
			page.add(Disc{X: mid - 0.6, Y: y, R: 1, Breadth: 0.35, Ink: ink}, Disc{X: mid + 0.6, Y: y, R: 1, Breadth: 0.35, Ink: p.ink(place.Place(i - 1))})
			continue
		}
		page.add(Line{X1: x1 + cord, Y1: y - 0.9, X2: x1 + cord, Y2: y + 0.9, Breadth: 0.3, Ink: ink}, Line{X1: x1 + cord + gap, Y1: y - 0.9, X2: x1 + cord + gap, Y2: y + 0.9, Breadth: 0.3, Ink: p.ink(place.Place(i - 1))})
	}
}

// scissors marks a line to cut along.
func scissors(page *Page, x, y float64) {
	page.add(
		Disc{X: x + 1.2, Y: y - 1.2, R: 1, Breadth: 0.35, Ink: Edge}, Disc{X: x + 1.2, Y: y + 1.2, R: 1, Breadth: 0.35, Ink: Edge},
		Line{X1: x + 2, Y1: y - 0.7, X2: x + 7, Y2: y + 1.2, Breadth: 0.35, Ink: Edge}, Line{X1: x + 2, Y1: y + 0.7, X2: x + 7, Y2: y - 1.2, Breadth: 0.35, Ink: Edge},
	)
}

// keyPage is the key on a page of its own: each task, what is right, and what up to three
// usual slips give.
func (p Print) keyPage(own Own) Page {
	page := Page{}
	page.Width, page.Height = p.Paper.Size()
	right := page.Width - Side
	w := p.Class.Words()
	page.add(Text{X: Side, Y: nameLine, Size: 6, Words: w.SheetKey(false), Bold: true, Ink: Black})
	page.add(Text{X: right, Y: nameLine, Size: 5, Words: own.Name, Align: Right, Ink: Black, Most: 90})
	page.add(Line{X1: Side, Y1: headRule, X2: right, Y2: headRule, Breadth: 0.4, Ink: Black})
	key := p.KeyOf(own)
	room := page.Height - End - footRoom - headRule - 4
	most := 3
	step := room / float64(len(key))
	for most > 0 && step < 6.5+4.6*float64(most) && most > 1 {
		most--
	}
	step = min(step, 6.5+4.6*float64(most)+3)
	for i, e := range key {
		y := headRule + 4 + step*float64(i) + min(5, step*0.7)
		size := min(5, step*0.55)
		page.add(Text{X: Side, Y: y, Size: size * 0.8, Words: fmt.Sprint(e.Nth + 1), Ink: Grey})
		words := w.TaskShort(own.Items[i].Task)
		if a, is := number.From(own.Items[i].Task); is {
			words = w.Numeral(a.Number)
		}
		page.add(Text{X: Side + 8, Y: y, Size: size, Words: words, Ink: Black, Most: 44})
		page.add(Text{X: Side + 54, Y: y, Size: size, Words: e.Answer, Bold: true, Ink: Black, Most: 25})
		if e.Columns != nil {
			p.cords(&page, e.Columns, Side+54, y+4)
		}
		for j, g := range e.shortest(most) {
			page.add(Text{X: Side + 80, Y: y + 4.6*float64(j), Size: min(3.5, size), Words: g.Answer + "  " + say.KeySlip(p.Class.Habits[g.Slip], g.Slip), Ink: Black, Most: right - Side - 80})
		}
	}
	p.foot(&page, own)
	return page
}

// shortest are the first slips of an entry, those that give one answer together.
func (e Entry) shortest(most int) []Gives {
	var list []Gives
	for _, g := range e.Gives {
		if len(list) < most && !strings.EqualFold(g.Answer, e.Answer) {
			list = append(list, g)
		}
	}
	return list
}
