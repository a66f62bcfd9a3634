package sheet

import (
	"math/rand/v2"

	"vineswap/core/crowd"
	"vineswap/core/material"
	"vineswap/core/number"
	"vineswap/core/piece"
	"vineswap/core/place"
	"vineswap/core/say"
)

// numbers lays out the kinds of sheet on which numbers are asked.
func (p Print) numbers(page *Page, body Area, own Own) {
	cell := map[Kind]func(*Page, Area, number.Asked, int){
		RingTens: p.ring, DrawnTens: p.drawn, TensAndOnes: p.blanks, Frames: p.frames, Teens: p.colour, Match: p.match, Picture: p.pick,
	}[p.Kind]
	asked := make([]number.Asked, len(own.Items))
	for i, item := range own.Items {
		asked[i], _ = number.From(item.Task)
	}
	for i, at := range p.places(page, body, asked) {
		cell(page, at, asked[i], i)
	}
}

// places cuts the body of a page into a cell for each number. Drawn tens that are read stand
// above those that are drawn, with a line of words of their own.
func (p Print) places(page *Page, body Area, asked []number.Asked) []Area {
	n := len(asked)
	switch p.Kind {
	case RingTens:
		if n <= 2 {
			return body.cells(n, 1, 5)
		}
		return body.cells(n, 2, 5)
	case TensAndOnes, Frames, Teens:
		return body.cells(n, 2, 5)
	case DrawnTens:
		read := 0
		for _, a := range asked {
			if a.Shown == number.Drawn {
				read++
			}
		}
		words := 0.0
		if n > read && read > 0 {
			words = 11
		}
		share := (body.H - words) * float64((read+1)/2) / float64((read+1)/2+(n-read+1)/2)
		above := Area{body.X, body.Y, body.W, share}
		below := Area{body.X, body.Y + share + words, body.W, body.H - share - words}
		if words > 0 {
			page.text(body.X, below.Y-3, 6, say.SheetDraw)
		}
		return append(above.cells(read, across(read), 5), below.cells(n-read, across(n-read), 5)...)
	}
	return body.cells(n, 1, 5)
}

// across is how many of some cells stand beside one another: three where they fill lines.
func across(n int) int {
	switch {
	case n%3 == 0:
		return 3
	case n == 1:
		return 1
	}
	return 2
}

// panel is the edge of a picture.
func panel(page *Page, a Area) {
	page.add(Box{X: a.X, Y: a.Y, W: a.W, H: a.H, Round: 2, Breadth: 0.3, Ink: Edge})
}

// ring lays a crowd with boxes for tens and ones, and for the number.
func (p Print) ring(page *Page, cell Area, a number.Asked, i int) {
	picture, blanks := cell, Area{}
	if cell.W > 120 { // beside it, or under it
		picture.W = cell.W - 38
		blanks = Area{picture.Right() + 5, cell.Y + cell.H/2 - 24, 33, 48}
	} else {
		picture.H = cell.H - 18
		blanks = Area{cell.X, picture.Bottom() + 2, cell.W, 16}
	}
	panel(page, picture)
	p.nth(page, i, picture.X+2, picture.Y+5.5)
	c, err := crowd.Lay(int(a.Number), uint64(a.Seed))
	if err != nil {
		return
	}
	shape, _, many := say.ThingOf(a)
	inner := picture.in(4)
	scale := min(inner.W/crowd.Width, inner.H/crowd.Height)
	sx, sy := inner.W/crowd.Width, inner.H/crowd.Height // apart as the picture has room
	for _, t := range c.Things {
		thing(page, shape, Point{inner.X + t.X*sx, inner.Y + t.Y*sy}, min(t.R*scale, 5.5))
	}
	w := p.Class.Words()
	if cell.W > 120 {
		for j, at := range []place.Place{place.Tens, place.Ones} {
			x := blanks.X + float64(j)*17
			page.field(Area{x, blanks.Y, 15.5, 15})
			p.sign(page, at, x+2.5, blanks.Y+19, 3)
			page.add(Text{X: x + 5, Y: blanks.Y + 20.4, Size: 4, Words: w.PlaceMany(at), Ink: Black, Most: 11})
		}
		page.field(Area{blanks.X, blanks.Y + 26, 32.5, 15})
		page.middle(blanks.X+16.2, blanks.Y+46, 4, many)
		return
	}
	for j, at := range []place.Place{place.Tens, place.Ones} {
		x := blanks.X + float64(j)*21
		page.field(Area{x, blanks.Y, 11, 12})
		page.add(Text{X: x + 12, Y: blanks.Y + 8, Size: 3.8, Words: w.PlaceMany(at), Ink: Black, Most: 8.5})
	}
	page.field(Area{blanks.Right() - 38, blanks.Y, 20, 12})
	page.add(Text{X: blanks.Right() - 17, Y: blanks.Y + 8, Size: 3.8, Words: many, Ink: Black, Most: 17})
}

// drawn is a quick drawing to be read, or a number to be drawn.
func (p Print) drawn(page *Page, cell Area, a number.Asked, i int) {
	panel(page, cell)
	p.nth(page, i, cell.X+2, cell.Y+5.5)
	if a.Answered == number.Draw {
		page.text(cell.X+9, cell.Y+12, 11, p.Class.Words().Numeral(a.Number))
		return
	}
	p.pieces(page, material.Drawings, piece.Building(a.Number), Area{cell.X + 5, cell.Y + 8, cell.W - 10, cell.H - 30}, 3)
	page.field(Area{cell.X + cell.W/2 - 13, cell.Bottom() - 17, 26, 14})
}

// blanks is a number with its places left open, or its places with the number left open.
func (p Print) blanks(page *Page, cell Area, a number.Asked, i int) {
	w := p.Class.Words()
	mid := cell.Y + cell.H/2
	p.nth(page, i, cell.X, mid+1.6)
	x := cell.X + 9
	if a.Answered == number.Write {
		page.add(Text{X: x, Y: mid + 2, Size: 5.6, Words: w.UnitsOf(a.Number) + " =", Ink: Black, Most: cell.W - 9 - 26})
		page.field(Area{cell.Right() - 23, mid - 7, 22, 14})
		return
	}
	page.add(Text{X: x, Y: mid + 2.8, Size: 8.5, Words: w.Numeral(a.Number) + " =", Ink: Black})
	x += 11 + 5*float64(a.Number.Length())
	step := (cell.Right() - x) / float64(a.Number.Length())
	for at := a.Number.Top(); at >= place.Ones; at-- {
		page.field(Area{x, mid - 7, 11.5, 14})
		page.add(Text{X: x + 12.5, Y: mid + 2, Size: 4.2, Words: w.PlaceMany(at), Ink: Black, Most: step - 14})
		x += step
	}
}

// tenFrame draws a frame of two rows of five, some of its squares with a dot, or with a ring
// to be coloured.
func tenFrame(page *Page, x, y, square float64, dots int, byPairs, rings bool) {
	page.add(Box{X: x, Y: y, W: 5 * square, H: 2 * square, Breadth: 0.45, Ink: Black})
	for c := 1; c < 5; c++ {
		page.add(Line{X1: x + float64(c)*square, Y1: y, X2: x + float64(c)*square, Y2: y + 2*square, Breadth: 0.25, Ink: Black})
	}
	page.add(Line{X1: x, Y1: y + square, X2: x + 5*square, Y2: y + square, Breadth: 0.25, Ink: Black})
	for i := range 10 {
		col, row := i%5, i/5
		if byPairs {
			col, row = i/2, i%2
		}
		middle := Disc{X: x + (float64(col)+0.5)*square, Y: y + (float64(row)+0.5)*square, R: square * 0.34}
		switch {
		case i < dots:
			middle.Fill = Black
		case rings:
			middle.Breadth, middle.Ink = 0.3, Edge
		default:
			continue
		}
		page.add(middle)
	}
}

// framesOf draws the ten frames for a number, beside one another or, where that is too narrow,
// one above the other.
func (p Print) framesOf(page *Page, a Area, frames, dots int, rings bool) {
	const gap = 3.0
	n := float64(frames)
	square := min((a.W-gap*(n-1))/(5*n), a.H/2)
	below := min(a.W/5, (a.H-gap*(n-1))/(2*n))
	stacked := below > square
	if stacked {
		square = below
	}
	square = min(square, 11)
	w, h := 5*square*n+gap*(n-1), 2*square
	if stacked {
		w, h = 5*square, 2*square*n+gap*(n-1)
	}
	for i := range frames {
		x, y := a.X+(a.W-w)/2, a.Y+(a.H-h)/2
		if stacked {
			y += float64(i) * (2*square + gap)
		} else {
			x += float64(i) * (5*square + gap)
		}
		tenFrame(page, x, y, square, min(10, max(0, dots-10*i)), p.Class.Filled == "by-pairs", rings)
	}
}

// frameCount is how many ten frames a number needs: two for what is at most 20.
func frameCount(n place.Number) int {
	switch {
	case n <= 10:
		return 1
	case n <= 20:
		return 2
	}
	return 3
}

// frames is ten frames with dots to be counted, or a number for which dots are drawn.
func (p Print) frames(page *Page, cell Area, a number.Asked, i int) {
	panel(page, cell)
	p.nth(page, i, cell.X+2, cell.Y+5.5)
	inner := Area{cell.X + 9, cell.Y + 5, cell.W - 14, cell.H - 24}
	if a.Answered == number.Fill {
		p.framesOf(page, inner, frameCount(a.Number), 0, false)
		page.middle(cell.X+cell.W/2, cell.Bottom()-6, 11, p.Class.Words().Numeral(a.Number))
		return
	}
	p.framesOf(page, inner, frameCount(a.Number), int(a.Number), false)
	page.field(Area{cell.X + cell.W/2 - 12, cell.Bottom() - 17, 24, 14})
}

// colour is a teen number with rings, of which ten are coloured and then the ones.
func (p Print) colour(page *Page, cell Area, a number.Asked, i int) {
	panel(page, cell)
	p.nth(page, i, cell.X+2, cell.Y+5.5)
	w := p.Class.Words()
	page.text(cell.X+9, cell.Y+12, 11, w.Numeral(a.Number))
	p.framesOf(page, Area{cell.X + 6, cell.Y + 15, cell.W - 12, cell.H - 31}, 2, 0, true)
	y := cell.Bottom() - 7
	page.text(cell.X+9, y, 7, w.Numeral(a.Number)+" = 10 +")
	page.field(Area{cell.X + 40, y - 8.5, 15, 12})
}

// picture shows a number as one of several pictures: in ten frames, or drawn.
func (p Print) picture(page *Page, a Area, n place.Number, drawn bool) {
	if drawn {
		p.pieces(page, material.Drawings, piece.Building(n), a, 2)
		return
	}
	p.framesOf(page, a, frameCount(n), int(n), false)
}

// pictures are the pictures of a number and of those that it is taken for, in an order that
// says nothing.
func pictures(a number.Asked) []place.Number {
	list := number.ChoicesOf(a.Number)
	rand.New(rand.NewPCG(uint64(a.Number), 4)).Shuffle(len(list), func(i, j int) { list[i], list[j] = list[j], list[i] })
	return list
}

// match sets four pictures beside four numbers, to be joined by lines.
func (p Print) match(page *Page, cell Area, a number.Asked, i int) {
	p.nth(page, i, cell.X, cell.Y+5)
	choices, shown := number.ChoicesOf(a.Number), pictures(a)
	rows := Area{cell.X + 8, cell.Y, cell.W - 8, cell.H}.cells(len(choices), 1, 3)
	for j, row := range rows {
		frame := Area{row.X, row.Y, 70, row.H}
		panel(page, frame)
		p.picture(page, frame.in(3), shown[j], a.Number > number.MostInFrames)
		mid := row.Y + row.H/2
		page.add(Disc{X: frame.Right() + 5, Y: mid, R: 1, Fill: Black}, Disc{X: row.Right() - 35, Y: mid, R: 1, Fill: Black})
		page.add(Text{X: row.Right() - 28, Y: mid + 4, Size: 11, Words: p.Class.Words().Numeral(choices[j]), Ink: Black})
	}
}

// pick sets a number beside four pictures, one of which shows it.
func (p Print) pick(page *Page, cell Area, a number.Asked, i int) {
	p.nth(page, i, cell.X, cell.Y+5)
	page.middle(cell.X+17, cell.Y+cell.H/2+4, 13, p.Class.Words().Numeral(a.Number))
	choices := pictures(a)
	for j, at := range (Area{cell.X + 32, cell.Y, cell.W - 32, cell.H}).cells(len(choices), len(choices), 3) {
		panel(page, at)
		page.add(Text{X: at.X + 2, Y: at.Bottom() - 2.5, Size: 4, Words: string(rune('a' + j)), Ink: Grey})
		p.picture(page, Area{at.X + 3, at.Y + 4, at.W - 6, at.H - 12}, choices[j], a.Number > number.MostInFrames)
	}
}
