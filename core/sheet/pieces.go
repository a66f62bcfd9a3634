package sheet

import (
	"math"

	"vineswap/core/hue"
	"vineswap/core/material"
	"vineswap/core/piece"
	"vineswap/core/place"
)

// The sizes of pieces, in units: a bead or a small cube is one unit.
const (
	barLong  = 10.0
	heapGap  = 0.6 // between two of a kind
	fiveGap  = 0.7 // more after each five
	kindGap  = 2.4
	cubeDeep = 4.0 // how far a cube goes back
)

// heap is how wide and high some pieces of a place lie, in units.
func heap(at place.Place, n int) (w, h float64) {
	if n == 0 {
		return 0, 0
	}
	switch at {
	case place.Ones: // rows of five
		return 5*1.15 + 0.2, math.Ceil(float64(n)/5) * 1.3
	case place.Tens:
		return float64(n)*(1+heapGap) + fiveGap*float64((n-1)/5), barLong
	case place.Hundreds: // fanned, five in a row
		return barLong + 2.2*float64(min(n, 5)-1), barLong*math.Ceil(float64(n)/5) + 1.2*(math.Ceil(float64(n)/5)-1)
	}
	return barLong + cubeDeep + 5*float64(min(n, 5)-1), (barLong+cubeDeep)*math.Ceil(float64(n)/5) + 1.2*(math.Ceil(float64(n)/5)-1)
}

// extent is how wide and high a holding lies, in units.
func extent(h piece.Holding) (width, height float64) {
	for at := place.Ones; at <= place.TopPiece; at++ {
		if w, high := heap(at, h.At(at)); w > 0 {
			if width > 0 {
				width += kindGap
			}
			width, height = width+w, max(height, high)
		}
	}
	return width, height
}

// pieces draws a holding into an area, the highest place at the left, as large as a unit lets
// it be and no larger than most mm.
func (p Print) pieces(page *Page, kind material.Kind, h piece.Holding, area Area, most float64) {
	w, high := extent(h)
	if w == 0 {
		return
	}
	u := min(most, area.W/w, area.H/high)
	x := area.X + (area.W-w*u)/2
	for at := place.TopPiece; at >= place.Ones; at-- {
		n := h.At(at)
		wide, _ := heap(at, n)
		for i := range n {
			p.one(page, kind, at, n, i, x, area.Y, u)
		}
		if wide > 0 {
			x += (wide + kindGap) * u
		}
	}
}

// one draws the i-th of n pieces of a place in their heap.
func (p Print) one(page *Page, kind material.Kind, at place.Place, n, i int, x, y, u float64) {
	col, row := float64(i%5), float64(i/5)
	switch at {
	case place.Ones:
		p.single(page, kind, x+(col*1.15+0.6)*u, y+(row*1.3+0.6)*u, u)
	case place.Tens:
		p.bar(page, kind, x+(float64(i)*(1+heapGap)+fiveGap*float64(i/5)+0.5)*u, y, u)
	case place.Hundreds:
		p.square(page, kind, x+2.2*col*u, y+row*(barLong+1.2)*u, u)
	default:
		p.cube(page, kind, x+5*col*u, y+row*(barLong+cubeDeep+1.2)*u, u)
	}
}

func (p Print) tint(at place.Place) hue.Colour {
	return hue.ShadeOf(p.Class.Colours.Places[at]).Tint
}

func (p Print) fill(at place.Place) hue.Colour { return p.Class.Colours.Places[at] }

// single is a bead, a small cube or a dot.
func (p Print) single(page *Page, kind material.Kind, x, y, u float64) {
	switch kind {
	case material.Blocks:
		page.add(Box{X: x - u/2, Y: y - u/2, W: u, H: u, Breadth: 0.25, Ink: Black, Fill: p.tint(place.Ones)})
	case material.Beads:
		page.add(Disc{X: x, Y: y, R: u / 2, Breadth: 0.25, Ink: p.ink(place.Ones), Fill: p.fill(place.Ones)})
	default:
		page.add(Disc{X: x, Y: y, R: u * 0.42, Fill: p.ink(place.Ones)})
	}
}

// bar is ten beads on a wire, a stick of ten, or a line.
func (p Print) bar(page *Page, kind material.Kind, x, y, u float64) {
	switch kind {
	case material.Beads:
		page.add(Box{X: x - u/2, Y: y, W: u, H: barLong * u, Round: u / 2, Breadth: 0.35, Ink: p.ink(place.Tens), Fill: White})
		for i := range 10 {
			page.add(Disc{X: x, Y: y + (float64(i)+0.5)*u, R: u * 0.4, Breadth: 0.2, Ink: p.ink(place.Ones), Fill: p.fill(place.Ones)})
		}
	case material.Blocks:
		page.add(Box{X: x - u/2, Y: y, W: u, H: barLong * u, Breadth: 0.3, Ink: Black, Fill: p.tint(place.Tens)})
		for i := 1; i < 10; i++ {
			page.add(Line{X1: x - u/2, Y1: y + float64(i)*u, X2: x + u/2, Y2: y + float64(i)*u, Breadth: 0.15, Ink: Black})
		}
	default:
		page.add(Line{X1: x, Y1: y, X2: x, Y2: y + barLong*u, Breadth: max(0.6, u*0.32), Ink: p.ink(place.Tens)})
	}
}

// square is ten bars side by side, a flat, or a square that is drawn.
func (p Print) square(page *Page, kind material.Kind, x, y, u float64) {
	side := barLong * u
	if kind == material.Drawings {
		page.add(Box{X: x, Y: y, W: side, H: side, Round: 0.3, Breadth: 0.6, Ink: p.ink(place.Hundreds), Fill: White})
		return
	}
	fill := p.tint(place.Hundreds)
	if kind == material.Beads {
		fill = hue.Mix(White, p.fill(place.Ones), 0.35)
	}
	page.add(Box{X: x, Y: y, W: side, H: side, Breadth: 0.35, Ink: p.ink(place.Hundreds), Fill: fill})
	p.net(page, x, y, u, p.ink(place.Hundreds))
}

// net is the lines that cut a square into ten by ten, the fifth stronger.
func (p Print) net(page *Page, x, y, u float64, ink hue.Colour) {
	for i := 1; i < 10; i++ {
		b := 0.08
		if i == 5 {
			b = 0.25
		}
		d := float64(i) * u
		page.add(Line{X1: x + d, Y1: y, X2: x + d, Y2: y + barLong*u, Breadth: b, Ink: ink}, Line{X1: x, Y1: y + d, X2: x + barLong*u, Y2: y + d, Breadth: b, Ink: ink})
	}
}

// cube is ten squares behind one another, or a cube that is drawn.
func (p Print) cube(page *Page, kind material.Kind, x, y, u float64) {
	side, d := barLong*u, cubeDeep*u
	ink, fill := p.ink(place.Thousands), p.tint(place.Thousands)
	if kind == material.Drawings {
		fill = White
	}
	page.add(
		Path{Points: []Point{{x, y + d}, {x + d, y}, {x + d + side, y}, {x + d + side, y + side}, {x + side, y + side + d}, {x, y + side + d}}, Straight: true, Closed: true, Breadth: 0.4, Ink: ink, Fill: fill},
		Box{X: x, Y: y + d, W: side, H: side, Breadth: 0.3, Ink: ink},
		Line{X1: x + side, Y1: y + d, X2: x + side + d, Y2: y, Breadth: 0.3, Ink: ink},
	)
	if kind != material.Drawings {
		p.net(page, x, y+d, u, ink)
	}
}
