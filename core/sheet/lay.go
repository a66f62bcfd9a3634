package sheet

import (
	"fmt"
	"slices"

	"vineswap/core/choose"
	"vineswap/core/hue"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/say"
	"vineswap/core/setting"
)

// Print is what a sheet is laid out with.
type Print struct {
	Spec
	Class setting.Class
	Of    string   // the class's name; empty without one
	Code  string   // by which its answers are typed back; empty without one
	Drawn string   // what brings the same sheet again where it has no code: its seed
	Names []string // of the class, for a record sheet
	first int      // the number of the first task of a page
}

// Where the parts of a page lie, in mm.
const (
	nameLine = 22.0 // that the name stands on
	headRule = 25.5
	asksLine = 34.5
	bodyTop  = 39.0
	footSize = 3.4
	footRoom = 7.0
)

// Pages lays out one sheet. More tasks than the kind has room for go onto further pages; a key
// has a page of its own behind each, or stands at its foot.
func (p Print) Pages(own Own) ([]Page, error) {
	switch p.Kind {
	case Cards:
		return p.NumberCards(), nil
	case Record:
		return p.RecordSheet(p.Names), nil
	case Gather:
		return p.GatherList(own.Items)
	case Strip:
		if len(own.Items) != 2 {
			return nil, fmt.Errorf("%w: a strip shows one task, and has one to try", ErrTask)
		}
		return p.TakeHome(own.Items[0], own.Items[1])
	}
	if len(own.Items) == 0 {
		return nil, ErrNone
	}
	var pages []Page
	most := slices.Max(p.Kind.rules().counts)
	for from := 0; from < len(own.Items); from += most {
		made, err := p.sheet(Own{own.Name, own.Items[from:min(from+most, len(own.Items))]}, from)
		if err != nil {
			return nil, err
		}
		pages = append(pages, made...)
	}
	return pages, nil
}

// sheet lays out tasks that fit onto one page, the first of which has a number.
func (p Print) sheet(own Own, first int) ([]Page, error) {
	for _, item := range own.Items {
		if err := p.Kind.Takes(item.Task); err != nil && p.Kind != Minute {
			return nil, err
		}
	}
	p.first = first
	page, body := p.open(own.Name, p.asks(own))
	var behind []Page
	switch {
	case p.Key == AtFoot:
		body.H -= p.keyFoot(&page, own)
	case p.Key == OnPage:
		behind = append(behind, p.keyPage(own))
	}
	p.foot(&page, own)
	switch p.Kind {
	case Column:
		p.columns(&page, body, own)
	case Lying:
		p.lying(&page, body, own)
	case Minute:
		p.minute(&page, body, own)
	default:
		p.numbers(&page, body, own)
	}
	return append([]Page{page}, behind...), nil
}

// open begins a page with its head, and returns it with the room that is left.
func (p Print) open(name, asks string) (Page, Area) {
	page := Page{}
	page.Width, page.Height = p.Paper.Size()
	right := page.Width - Side
	if name == "" {
		page.text(Side, nameLine, 4.4, say.SheetName)
		page.rule(Side+15, Side+92, nameLine+1)
	} else {
		page.add(Text{X: Side, Y: nameLine, Size: 8, Words: name, Ink: Black, Most: 92})
	}
	page.text(Side+97, nameLine, 4.4, say.SheetDate)
	page.rule(Side+109, right-42, nameLine+1)
	page.text(right-39, nameLine, 4.4, say.SheetMinutes)
	page.rule(right-20, right, nameLine+1)
	page.add(Line{X1: Side, Y1: headRule, X2: right, Y2: headRule, Breadth: 0.4, Ink: Black})
	page.add(Text{X: Side, Y: asksLine, Size: 6, Words: asks, Ink: Black, Most: right - Side})
	return page, Area{Side, bodyTop, right - Side, page.Height - End - footRoom - bodyTop}
}

// asks is what stands above the tasks.
func (p Print) asks(own Own) string {
	var sums, differences bool
	for _, item := range own.Items {
		sums = sums || item.Task.Kind == problem.Sum
		differences = differences || item.Task.Kind == problem.Difference
	}
	return p.Class.Words().SheetAsks(string(p.Kind), sums, differences, p.inFront(), p.Boxes)
}

// foot says what the sheet is, and by which code its answers are typed back.
func (p Print) foot(page *Page, own Own) {
	y := page.Height - End - 1
	words := p.Of
	if about := p.about(own); about != "" && words != "" {
		words += " · " + about
	} else if about != "" {
		words = about
	}
	page.add(Text{X: Side, Y: y, Size: footSize, Words: words, Ink: Grey, Most: 115})
	again := p.Drawn
	if p.Code != "" {
		again = say.SheetCode(p.Code)
	}
	page.add(Text{X: page.Width - Side, Y: y, Size: footSize, Words: again, Align: Right, Ink: Grey, Most: 62})
}

// about names the stage that most of the tasks are of.
func (p Print) about(own Own) string {
	if p.Kind == Minute {
		return say.MinuteFacts(string(p.Facts))
	}
	most, times := choose.StageID(""), 0
	count := map[choose.StageID]int{}
	for _, item := range own.Items {
		if count[item.Stage]++; item.Stage != "" && count[item.Stage] > times {
			most, times = item.Stage, count[item.Stage]
		}
	}
	if most == "" {
		return say.Sheet(string(p.Kind))
	}
	return p.Class.Words().Stage(most)
}

// ink is a place's colour as it can be read.
func (p Print) ink(at place.Place) hue.Colour {
	if int(at) < len(p.Class.Colours.Places) {
		return hue.ShadeOf(p.Class.Colours.Places[at]).Ink
	}
	return Black
}

// sign draws the mark of a place around a point: a dot, a line, a square, a cube; nothing
// above, where there are no pieces.
func (p Print) sign(page *Page, at place.Place, x, y, size float64) {
	ink := p.ink(at)
	switch at {
	case place.Ones:
		page.add(Disc{X: x, Y: y, R: 0.32 * size, Fill: ink})
	case place.Tens:
		page.add(Line{X1: x, Y1: y - size/2, X2: x, Y2: y + size/2, Breadth: 0.3 * size, Ink: ink})
	case place.Hundreds:
		page.add(Box{X: x - 0.42*size, Y: y - 0.42*size, W: 0.84 * size, H: 0.84 * size, Fill: ink})
	case place.Thousands:
		d, s := 0.22*size, 0.62*size
		page.add(
			Path{Points: []Point{{x - s/2 - d/2, y - s/2 + d/2}, {x - s/2 + d/2, y - s/2 - d/2}, {x + s/2 + d/2, y - s/2 - d/2}, {x + s/2 + d/2, y + s/2 - d/2}, {x + s/2 - d/2, y + s/2 + d/2}, {x - s/2 - d/2, y + s/2 + d/2}}, Straight: true, Closed: true, Breadth: 0.3, Ink: ink, Fill: White},
			Box{X: x - s/2 - d/2, Y: y - s/2 + d/2, W: s, H: s, Fill: ink},
		)
	}
}

// nth writes the number of a task.
func (p Print) nth(page *Page, i int, x, y float64) {
	page.add(Text{X: x, Y: y, Size: 4.6, Words: fmt.Sprint(p.first + i + 1), Ink: Grey})
}
