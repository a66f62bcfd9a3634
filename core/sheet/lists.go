package sheet

import (
	"fmt"
	"slices"
	"strings"

	"vineswap/core/material"
	"vineswap/core/piece"
	"vineswap/core/place"
	"vineswap/core/say"
	"vineswap/core/trace"
)

// The size of the number cards in mm: a card has this width for each of its digits, so that
// cards laid on one another with their right edges flush read as one number.
const (
	CardWide = 18.0
	CardHigh = 24.0
)

// NumberCards lays out the cards from 1 to 9,000, to be cut.
func (p Print) NumberCards() []Page {
	var pages []Page
	page, room := p.blank()
	x, y := room.X, room.Y
	next := func() {
		x, y = room.X, y+CardHigh
		if y+CardHigh > room.Bottom() {
			pages = append(pages, page)
			page, room = p.blank()
			y = room.Y
		}
	}
	for at := place.Ones; at <= place.TopPiece; at++ {
		wide := CardWide * float64(at+1)
		if x > room.X {
			next()
		}
		for d := 1; d <= 9; d++ {
			if x+wide > room.Right()+0.01 {
				next()
			}
			p.card(&page, Area{x, y, wide, CardHigh}, at, d)
			x += wide
		}
	}
	return append(pages, page)
}

// card is one card: its edge to be cut, and each digit in the middle of its own width.
func (p Print) card(page *Page, a Area, at place.Place, digit int) {
	page.add(Box{X: a.X, Y: a.Y, W: a.W, H: a.H, Breadth: 0.25, Ink: Edge})
	for i := range at + 1 {
		figure := "0"
		if i == 0 {
			figure = fmt.Sprint(digit)
		}
		page.add(Text{X: a.X + CardWide*(float64(i)+0.5), Y: a.Y + 17.8, Size: 17, Words: figure, Align: Middle, Ink: p.ink(at)})
	}
}

// blank is a page with nothing on it, and the room inside its margins.
func (p Print) blank() (Page, Area) {
	page := Page{}
	page.Width, page.Height = p.Paper.Size()
	return page, Area{Side, End, page.Width - 2*Side, page.Height - 2*End}
}

// headed is a page with a heading.
func (p Print) headed(title string) (Page, Area) {
	page, room := p.blank()
	page.add(Text{X: Side, Y: nameLine, Size: 7, Words: title, Ink: Black, Most: 110})
	page.add(Text{X: room.Right() - 38, Y: nameLine, Size: 4.4, Words: say.SheetDate, Align: Right, Ink: Black})
	page.rule(room.Right()-36, room.Right(), nameLine+1)
	page.add(Line{X1: Side, Y1: headRule, X2: room.Right(), Y2: headRule, Breadth: 0.4, Ink: Black})
	room.Y = headRule + 4
	room.H = page.Height - End - footRoom - room.Y
	return page, room
}

// RecordSheet lays out a table with the names of the class, for the clipboard: for each child
// five answers, how much help, and room for a note.
func (p Print) RecordSheet(names []string) []Page {
	const (
		row     = 9.0
		wide    = 48.0
		answers = 5
		answer  = 15.0
		help    = 17.0
	)
	var pages []Page
	for len(names) > 0 || len(pages) == 0 {
		page, room := p.headed(strings.TrimSpace(p.Of + " "))
		fits := int(room.H/row) - 1
		here := names[:min(fits, len(names))]
		names = names[len(here):]
		rows := len(here)
		if rows == 0 {
			rows = fits // without names to be written in
		}
		right := room.Right()
		xs := []float64{room.X, room.X + wide}
		for range answers {
			xs = append(xs, xs[len(xs)-1]+answer)
		}
		xs = append(xs, xs[len(xs)-1]+help, right)
		for i, x := range xs {
			page.add(Line{X1: x, Y1: room.Y, X2: x, Y2: room.Y + row*float64(rows+1), Breadth: 0.2, Ink: Edge})
			if i == len(xs)-1 {
				break
			}
			words := ""
			switch i {
			case 0:
				words = say.RecordChild
			case len(xs) - 3:
				words = say.RecordHelp
			case len(xs) - 2:
				words = say.RecordNote
			}
			page.add(Text{X: x + 2, Y: room.Y + 6, Size: 4, Words: words, Ink: Grey})
		}
		for r := range rows + 2 {
			y := room.Y + row*float64(r)
			page.add(Line{X1: room.X, Y1: y, X2: right, Y2: y, Breadth: 0.2, Ink: Edge})
			if r > 0 && r <= len(here) {
				page.add(Text{X: room.X + 2, Y: y + 6.3, Size: 5, Words: here[r-1], Ink: Black, Most: wide - 4})
			}
		}
		pages = append(pages, page)
	}
	return pages
}

// Needs is what some tasks need together: of each thing the most that one of them needs.
type Needs struct {
	Lines    []string // what is fetched
	Cautions []string
}

// NeedsOf works out what tasks need that are worked one after another.
func (p Print) NeedsOf(items []Item) (Needs, error) {
	var most [place.Count]int
	counted, things := map[piece.Piece]int{}, map[trace.Thing]int{}
	var order []trace.Thing
	trays, small, large := 0, 0, 0
	var cautions []material.Caution
	for _, item := range items {
		t, err := trace.Of(item.Task, p.Class.Method())
		if err != nil {
			return Needs{}, err
		}
		n := material.For(t)
		for _, pieces := range n.Pieces {
			most[pieces.Place] = max(most[pieces.Place], pieces.Fullest)
		}
		for _, i := range n.Items {
			counted[i.Piece] = max(counted[i.Piece], i.Count)
		}
		for _, f := range n.Things {
			if _, known := things[f.Thing]; !known {
				order = append(order, f.Thing)
			}
			things[f.Thing] = max(things[f.Thing], f.Count)
		}
		trays, small = max(trays, n.Trays), max(small, len(n.SmallCards))
		if len(n.LargeCards) > 0 {
			large = 1
		}
		for _, c := range n.Cautions {
			if say.Caution(c, p.Class.Material) != "" && !slices.Contains(cautions, c) {
				cautions = append(cautions, c)
			}
		}
	}
	var out Needs
	for at := place.TopPiece; at >= place.Ones; at-- {
		if most[at] > 0 {
			out.Lines = append(out.Lines, fmt.Sprintf("%d %s", most[at], say.Piece(p.Class.Material, at, most[at])))
		}
	}
	for q := range piece.Piece(piece.Count) {
		if counted[q] > 0 {
			name := say.PieceFetched(q, counted[q])
			if at, placed := q.Place(); placed {
				name = say.Piece(p.Class.Material, at, counted[q])
			}
			out.Lines = append(out.Lines, fmt.Sprintf("%d %s", counted[q], name))
		}
	}
	for _, t := range order {
		out.Lines = append(out.Lines, fmt.Sprintf("%d %s", things[t], say.Fetched(t, things[t])))
	}
	if trays > 0 {
		out.Lines = append(out.Lines, say.TraysToFetch(trays))
	}
	if small > 0 || large > 0 {
		out.Lines = append(out.Lines, say.CardsToFetch(small, large > 0))
	}
	for _, c := range cautions {
		out.Cautions = append(out.Cautions, say.Caution(c, p.Class.Material))
	}
	return out, nil
}

// GatherList lays out what tasks need, to be ticked when it is fetched and when it is counted
// back.
func (p Print) GatherList(items []Item) ([]Page, error) {
	needs, err := p.NeedsOf(items)
	if err != nil {
		return nil, err
	}
	page, room := p.headed(say.SheetGather)
	y := room.Y + 6
	w := p.Class.Words()
	for _, item := range items[:min(len(items), 8)] {
		page.add(Text{X: room.X, Y: y, Size: 6, Words: w.TaskShort(item.Task), Ink: Black, Most: room.W})
		y += 8
	}
	y += 4
	fetched, back := room.Right()-48, room.Right()-18
	page.add(Text{X: fetched, Y: y, Size: 4.4, Words: say.SheetFetched, Align: Middle, Ink: Grey}, Text{X: back, Y: y, Size: 4.4, Words: say.SheetBack, Align: Middle, Ink: Grey})
	y += 3
	for _, line := range needs.Lines {
		page.add(Line{X1: room.X, Y1: y, X2: room.Right(), Y2: y, Breadth: 0.2, Ink: Edge})
		page.add(Text{X: room.X, Y: y + 8, Size: 6.4, Words: line, Ink: Black, Most: fetched - room.X - 8})
		for _, x := range []float64{fetched, back} {
			page.field(Area{x - 4, y + 1.6, 8, 8})
		}
		y += 11.5
	}
	page.add(Line{X1: room.X, Y1: y, X2: room.Right(), Y2: y, Breadth: 0.2, Ink: Edge})
	y += 9
	for _, line := range needs.Cautions {
		page.add(Text{X: room.X, Y: y, Size: 4.4, Words: line, Ink: Black, Most: room.W})
		y += 6.5
	}
	page.add(Text{X: Side, Y: page.Height - End - 1, Size: footSize, Words: p.Of, Ink: Grey, Most: 115})
	return []Page{page}, nil
}
