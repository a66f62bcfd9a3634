package sheet

import (
	"fmt"

	"vineswap/core/number"
	"vineswap/core/paper"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/say"
	"vineswap/core/swap"
)

// The measures of a written column in mm, at its full size.
const (
	pitch     = 11.5 // from digit to digit
	digitRow  = 11.5 // from line to line
	digitSize = 11.0
	signRoom  = 6.0
	boxRoom   = 8.0
	boxSize   = 6.4
	answerH   = 13.0
	labelRoom = 6.0
)

// frame is what the columns of one sheet have in common, so that none gives anything away: how
// many places and lines each has room for, and which small boxes.
type frame struct {
	places  int  // that a result may have
	numbers int  // lines of numbers
	over    int  // lines of small boxes over the top number
	under   bool // a line of them under the last number
	beside  bool // a small box beside each top digit
	front   bool // and one in front of it
	signs   bool
}

func (p Print) inFront() bool { return p.Class.Notation().Crossing == paper.InFront }

// written sets the finished column of a problem on paper; false for another task.
func (p Print) written(item Item) (paper.Sheet, swap.Trace, bool) {
	pr, is := problem.From(item.Task)
	if !is {
		return paper.Sheet{}, swap.Trace{}, false
	}
	t, err := swap.By(p.Class.Method(), pr)
	if err != nil {
		return paper.Sheet{}, t, false
	}
	return p.Class.Notation().Sheet(t), t, true
}

func (p Print) frameOf(items []Item) frame {
	f := frame{signs: p.Signs}
	for _, item := range items {
		s, t, is := p.written(item)
		if !is {
			continue
		}
		f.numbers = max(f.numbers, s.Numbers)
		for _, n := range append(t.Problem.Numbers, t.Answer) {
			f.places = max(f.places, n.Length())
		}
		if !p.Boxes {
			continue
		}
		difference := item.Task.Kind == problem.Difference
		f.over, f.under = max(f.over, s.Over), f.under || s.Under
		f.beside = f.beside || !difference && s.Notation.Carried == paper.Beside
		f.front = f.front || difference && p.inFront()
	}
	return f
}

// width and height are those of a column at its full size.
func (f frame) width() float64 { return labelRoom + 8 + pitch*float64(f.places) }
func (f frame) height() float64 {
	h := digitRow*float64(f.numbers) + 3 + answerH + boxRoom*float64(f.over)
	if f.signs {
		h += signRoom
	}
	if f.under {
		h += boxRoom
	}
	return h
}

// across is how many columns stand beside one another.
func (p Print) across(n int) int {
	switch {
	case p.Room:
		return 2
	case n <= 4:
		return 2
	}
	return 3
}

func (p Print) columns(page *Page, body Area, own Own) {
	f := p.frameOf(own.Items)
	body.H -= p.closing(page, body, own)
	across := p.across(len(own.Items))
	for i, cell := range body.cells(len(own.Items), across, 4) {
		at := cell
		if p.Room {
			page.add(Box{X: cell.X, Y: cell.Y, W: cell.W, H: cell.H, Round: 1.5, Breadth: 0.25, Ink: Edge})
			at = cell.in(2.5)
			if at.W = min(at.W*0.55, f.width()*at.H/f.height()); at.W < 30 {
				at.W = 30
			}
			x := at.Right() + 2
			page.add(Line{X1: x, Y1: cell.Y + 2, X2: x, Y2: cell.Bottom() - 2, Breadth: 0.25, Ink: Edge, Dashed: true}, Text{X: x + 2, Y: cell.Y + 5.5, Size: 3.8, Words: say.SheetRoom, Ink: Grey})
		}
		scale := min(1, at.W/f.width(), at.H/f.height())
		p.nth(page, i, at.X, at.Y+5)
		p.column(page, f, own.Items[i], Point{at.X + (at.W+f.width()*scale)/2 - 1, at.Y + max(0, (at.H-f.height()*scale)/2)}, scale)
	}
}

// closing puts the last lines of the sheet under the columns, and says how much room they take.
func (p Print) closing(page *Page, body Area, own Own) float64 {
	plain := 0
	for _, item := range own.Items {
		if _, t, is := p.written(item); is && len(t.Swaps) == 0 {
			plain++
		}
	}
	y := body.Bottom() - 4
	page.text(body.X, y, 5, say.SheetHardest)
	page.rule(body.X+40, body.X+56, y+0.8)
	page.text(body.X+59, y, 5, say.SheetBecause)
	page.rule(body.X+81, body.Right(), y+0.8)
	if plain != 1 || len(own.Items) < 3 {
		return 14
	}
	page.text(body.X, y-8.5, 5, p.Class.Words().SheetNoSwap())
	return 22
}

// column draws one column with its right upper corner at a point.
func (p Print) column(page *Page, f frame, item Item, corner Point, scale float64) {
	s, t, is := p.written(item)
	if !is {
		return
	}
	x := func(at place.Place) float64 { return corner.X - scale*pitch*(float64(at)+0.5) }
	y := corner.Y
	if f.signs {
		for at := range place.Place(f.places) {
			p.sign(page, at, x(at), y+scale*signRoom/2, scale*3.4)
		}
		y += scale * signRoom
	}
	small := func(at place.Place, dx, y float64) {
		b := scale * boxSize
		page.add(Box{X: x(at) + dx - b/2, Y: y, W: b, H: b, Round: 0.8, Breadth: 0.25, Ink: Edge, Dashed: true})
	}
	sum := s.Kind == problem.Sum
	for range f.over {
		for at := range place.Place(f.places) {
			if p.boxed(sum, at, t.Problem.Numbers[0]) {
				small(at, 0, y+scale*(boxRoom-boxSize)/2)
			}
		}
		y += scale * boxRoom
	}
	for row := range f.numbers {
		line := y + scale*(digitRow*float64(row)+9.4)
		digits(page, s, row+1, x, line, scale*digitSize)
		if row == s.Numbers-1 {
			page.add(Text{X: corner.X - scale*(pitch*float64(f.places)+4), Y: line, Size: scale * digitSize * 0.9, Words: s.Sign(), Align: Middle, Ink: Black})
		}
		for at := range place.Place(f.places) {
			switch {
			case row > 0:
			case sum && f.beside && at > 0:
				page.add(Box{X: x(at) + scale*pitch*0.28, Y: y + scale*0.6, W: scale * 3.6, H: scale * 4.2, Round: 0.6, Breadth: 0.25, Ink: Edge, Dashed: true})
			case !sum && f.front && at < t.Problem.Numbers[0].Top():
				page.add(Box{X: x(at) - scale*pitch*0.52, Y: y + scale*0.6, W: scale * 3.2, H: scale * 4.2, Round: 0.6, Breadth: 0.25, Ink: Edge, Dashed: true})
			}
		}
	}
	y += scale * digitRow * float64(f.numbers)
	if f.under {
		for at := range place.Place(f.places) {
			if sum && at > 0 {
				small(at, 0, y+scale*(boxRoom-boxSize)/2)
			}
		}
		y += scale * boxRoom
	}
	y += scale * 1.2
	page.add(Line{X1: corner.X - scale*(pitch*float64(f.places)+8), Y1: y, X2: corner.X + 1, Y2: y, Breadth: 0.5, Ink: Black})
	for at := range place.Place(f.places) {
		page.field(Area{x(at) - scale*(pitch-1.2)/2, y + scale*1.8, scale * (pitch - 1.2), scale * answerH})
	}
}

// boxed tells whether something small may be written over a place: in a sum over all but the
// ones, in a difference over every digit of the larger number.
func (p Print) boxed(sum bool, at place.Place, larger place.Number) bool {
	if sum {
		return at > 0
	}
	return larger.Has(at)
}

// digits writes a number of a column.
func digits(page *Page, s paper.Sheet, row int, x func(place.Place) float64, line, size float64) {
	for _, m := range s.Marks {
		if m.Row == row && m.Side == paper.Whole {
			page.middle(x(m.Place), line, size, string(rune('0'+m.Digit)))
		}
	}
}

// lying lays sums in lines, each with a box for its answer.
func (p Print) lying(page *Page, body Area, own Own) {
	across := 2
	for i, cell := range body.cells(len(own.Items), across, 9) {
		pr, _ := problem.From(own.Items[i].Task)
		line := cell
		if p.Room {
			page.add(Box{X: cell.X, Y: cell.Y, W: cell.W, H: cell.H, Round: 1.5, Breadth: 0.25, Ink: Edge})
			line = Area{cell.X + 2, cell.Y + 1, cell.W - 4, 13}
			page.add(Text{X: cell.X + 3, Y: line.Bottom() + 5, Size: 3.8, Words: say.SheetRoom, Ink: Grey})
		}
		mid := line.Y + line.H/2
		p.nth(page, i, line.X, mid+1.6)
		box := 24.0
		if pr.Rests() && own.Items[i].Stage != "sharing/share-even" {
			box = 16
			page.middle(line.Right()-box-4, mid+2, 5, "r")
			page.field(Area{line.Right() - box, mid - 6, box, 12})
			line.W -= box + 8
		}
		page.field(Area{line.Right() - box, mid - 6, box, 12})
		page.add(Text{X: line.Right() - box - 3, Y: mid + 2.8, Size: 8, Words: p.Class.Words().Lie(pr), Align: Right, Ink: Black, Most: line.W - box - 12})
	}
}

// minute lays facts in three columns, with room for how many were tried and right.
func (p Print) minute(page *Page, body Area, own Own) {
	body.H -= 14
	y := body.Bottom() + 10
	page.text(body.X, y, 5, say.SheetAttempted)
	page.field(Area{body.X + 18, y - 7.5, 20, 10})
	page.text(body.X+46, y, 5, say.SheetRight)
	page.field(Area{body.X + 64, y - 7.5, 20, 10})
	const across = 3
	rows := (len(own.Items) + across - 1) / across
	w, h := body.W/across, body.H/float64(rows)
	for i, item := range own.Items { // down, as they are worked
		x, y := body.X+float64(i/rows)*w, body.Y+float64(i%rows)*h
		before, after := p.fact(item)
		size := min(6.5, h*0.62)
		mid := y + h/2
		page.add(Text{X: x + 27, Y: mid + size*0.36, Size: size, Words: before, Align: Right, Ink: Black})
		page.field(Area{x + 29, mid - h*0.36, 13, h * 0.72})
		page.add(Text{X: x + 44, Y: mid + size*0.36, Size: size, Words: after, Ink: Black})
	}
}

// fact writes a fact around what is asked: "7 +" and "= 10".
func (p Print) fact(item Item) (before, after string) {
	if pr, is := problem.From(item.Task); is {
		return p.Class.Words().Lie(pr), ""
	}
	a, _ := number.From(item.Task)
	return fmt.Sprintf("%d + ", a.Number), "= 10"
}
