package sheet

import (
	"fmt"
	"math"
	"slices"

	"vineswap/core/paper"
	"vineswap/core/piece"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/say"
	"vineswap/core/swap"
	"vineswap/core/trace"
)

// How many pictures a strip has, the one with the answer among them.
const (
	FewestPictures = 3
	MostPictures   = 8
)

// Pictures are the steps of a trace that a strip shows, in their order; the last has the
// answer, the others do not give it away. Laying out, pushing together and each swap come
// before what is written, and this before the counting.
func Pictures(t swap.Trace) []int {
	var answer int
	var last place.Place // that is worked
	for _, s := range t.Steps {
		if s.At.Phase == trace.Work {
			last = s.At.Place
		}
	}
	weight := map[int]int{}
	for i, s := range t.Steps {
		if s.At.Phase == trace.Checking {
			break
		}
		if s.Kind == swap.ReadOut {
			answer = i
		}
		ends := s.At.Phase == trace.Work && s.At.Place == last
		switch s.Kind {
		case swap.Build, swap.Label:
			for j := range weight {
				if t.Steps[j].Kind == swap.Build || t.Steps[j].Kind == swap.Label {
					delete(weight, j) // what is laid is shown once, when all of it lies there
				}
			}
			weight[i] = 1
		case swap.Join:
			weight[i] = 2
		case swap.MakeSwap, swap.SwapDown:
			weight[i] = 1
		case swap.Write, swap.Deal, swap.TakeGroup, swap.TakeAway:
			if !ends {
				weight[i] = 3
			}
		case swap.Stop, swap.Look:
			if !ends || s.Kind == swap.Look {
				weight[i] = 4
			}
		}
	}
	var list []int
	for w := 1; w <= 4; w++ {
		for i := range t.Steps {
			if weight[i] == w && len(list) < MostPictures-1 {
				list = append(list, i)
			}
		}
	}
	for i := answer - 1; i >= 0 && len(list) < FewestPictures-1; i-- {
		if !slices.Contains(list, i) && !t.Steps[i].Zones.Together().AnyBelowZero() {
			list = append(list, i)
		}
	}
	slices.Sort(list)
	return append(list, answer)
}

// TakeHome lays out a worked task step by step in pictures and the class's words, with one
// task to try; of a child it says nothing.
func (p Print) TakeHome(worked, try Item) ([]Page, error) {
	pr, is := problem.From(worked.Task)
	if !is {
		return nil, fmt.Errorf("%w: %s; a strip shows how a sum, a difference or sharing is worked", ErrTask, worked.Task)
	}
	t, err := swap.By(p.Class.Method(), pr)
	if err != nil {
		return nil, err
	}
	if t.Fullest() == (piece.Holding{}) || pr.Largest() > place.MostWithPieces {
		return nil, fmt.Errorf("%w: %s; a strip shows pieces, and these go up to %d", ErrTask, worked.Task, place.MostWithPieces)
	}
	words := p.Class.Words().For(pr.Kind)
	page, room := p.blank()
	page.add(Text{X: Side, Y: nameLine, Size: 7.5, Words: words.StripTitle(worked.Task), Ink: Black, Most: room.W})
	page.add(Line{X1: Side, Y1: headRule, X2: room.Right(), Y2: headRule, Breadth: 0.4, Ink: Black})
	steps := Pictures(t)
	below := p.tryOut(&page, try, words, len(t.Swaps) > 0)
	const stop, gap, lastHigh = 9.0, 3.0, 0.95
	rows := math.Ceil(float64(len(steps)-1)/2) + lastHigh
	all := Area{room.X, headRule + 3, room.W, below - headRule - 6}
	high := min(56, (all.H-stop-gap*rows)/rows)
	lines, sheets := words.Trace(t), p.Class.Notation().Sheets(t)
	panels := Area{all.X, all.Y, all.W, high*math.Ceil(float64(len(steps)-1)/2) + gap*(math.Ceil(float64(len(steps)-1)/2)-1)}.cells(len(steps)-1, 2, gap)
	u := p.unit(t, steps, panels[0])
	for i, panel := range panels {
		says := lines[steps[i]].String()
		switch {
		case i == 0:
			says = words.StripLaid(pr)
		case t.Steps[steps[i]].Kind == swap.Join:
			says = say.StripJoin
		}
		p.panel(&page, panel, i, t, steps[i], says, sheets[steps[i]], u)
	}
	y := panels[len(panels)-1].Bottom() + 6.5
	scissors(&page, all.X, y-1.5)
	page.add(Text{X: all.X + 10, Y: y, Size: 4.8, Words: say.StripStop, Bold: true, Ink: Black, Most: all.W - 10})
	p.panel(&page, Area{all.X, y + 3, all.W, high * lastHigh}, len(steps)-1, t, steps[len(steps)-1], said(t, lines), sheets[steps[len(steps)-1]], u)
	return []Page{page}, nil
}

// said is the story of the work, said back.
func said(t swap.Trace, lines []say.Line) string {
	for i, s := range t.Steps {
		if s.Kind == swap.SayBack {
			return lines[i].String()
		}
	}
	return ""
}

// zonesOf are the zones that a picture shows.
func zonesOf(s trace.Step) []piece.Holding {
	var list []piece.Holding
	for _, pile := range s.Zones {
		list = append(list, pile.Pieces)
	}
	return list
}

// The share of a picture that its column takes, and the mm that its words do.
const (
	columnRoom = 0.36
	sayRoom    = 14.0
)

// unit is the size of a bead with which every picture of the strip has room.
func (p Print) unit(t swap.Trace, steps []int, panel Area) float64 {
	u := 2.6
	for _, i := range steps {
		width, height := 0.0, 0.0
		for _, h := range zonesOf(t.Steps[i]) {
			w, high := extent(h)
			width, height = width+w+kindGap, max(height, high)
		}
		if width > 0 {
			u = min(u, (panel.W*(1-columnRoom)-8)/width, (panel.H-sayRoom-2)/height)
		}
	}
	return u
}

// panel is one picture: its number, what is said, the pieces and the column as it stands.
func (p Print) panel(page *Page, a Area, i int, t swap.Trace, step int, says string, s paper.Sheet, u float64) {
	panel(page, a)
	page.add(Disc{X: a.X + 5.5, Y: a.Y + 5.5, R: 3.2, Breadth: 0.3, Ink: Black}, Text{X: a.X + 5.5, Y: a.Y + 7, Size: 4.2, Words: fmt.Sprint(i + 1), Align: Middle, Bold: true, Ink: Black})
	page.add(Text{X: a.X + 11, Y: a.Y + 7, Size: 4.4, Words: says, Ink: Black, Most: a.W*(1-columnRoom) - 10, Rows: 2})
	left := Area{a.X + 4, a.Y + sayRoom, a.W*(1-columnRoom) - 6, a.H - sayRoom - 2}
	if a.W > 120 {
		left.W = 90
	}
	x := left.X
	zones := zonesOf(t.Steps[step])
	for _, h := range zones {
		w, high := extent(h)
		if len(zones) > 1 {
			page.add(Box{X: x - 1, Y: left.Y - 1, W: w*u + 2, H: min(high*u+2, left.H), Round: 1, Breadth: 0.25, Ink: Edge})
		}
		p.pieces(page, p.Class.Material, h, Area{x, left.Y, w*u + 0.01, left.H}, u)
		x += (w + kindGap) * u
	}
	p.standing(page, s, Area{left.Right() + 3, a.Y + 2, a.Right() - left.Right() - 6, a.H - 4})
}

// standing draws a column as it is written, into an area.
func (p Print) standing(page *Page, s paper.Sheet, a Area) {
	places := place.Place(1)
	for _, m := range s.Marks {
		places = max(places, m.Place+1)
	}
	rows := float64(s.Over) + float64(s.Numbers) + 1.25
	if s.Under {
		rows++
	}
	behind := 0.0 // what stands behind the number, in digits
	if s.Behind() != "" || s.Beside() != "" {
		behind = 1.7
	}
	size := min(9.5, a.H/rows, a.W/(float64(places)+1.3+behind))
	right := a.X + (a.W+size*(float64(places)+1-behind))/2
	x := func(at place.Place) float64 { return right - size*(float64(at)+0.5) }
	y := func(row int) float64 {
		at := float64(row - 1 + s.Over)
		if row == s.ResultRow() {
			at = float64(s.Numbers+s.Over) + 0.25
			if s.Under {
				at++
			}
		}
		return a.Y + size*(at+0.82)
	}
	for _, m := range s.Marks {
		at, height := x(m.Place), size*0.95
		switch m.Side {
		case paper.Small:
			height *= 0.7
		case paper.SmallFront:
			at, height = at-size*0.42, height*0.6
		case paper.SmallAside:
			at, height = at+size*0.42, height*0.6
		}
		if m.Row < 1 {
			height = min(height, size*0.75)
		}
		page.add(Text{X: at, Y: y(m.Row), Size: height, Words: fmt.Sprint(m.Digit), Align: Middle, Bold: m.Row == s.ResultRow(), Ink: Black})
		if m.Struck {
			page.add(Line{X1: at - size*0.3, Y1: y(m.Row) - size*0.05, X2: at + size*0.3, Y2: y(m.Row) - size*0.65, Breadth: 0.4, Ink: Black})
		}
	}
	if sign := s.Sign(); sign != "" {
		page.middle(x(places)-size*0.1, y(s.Numbers), size*0.9, sign)
	}
	if behind := s.Behind(); behind != "" {
		page.text(right+1, y(1), size*0.7, behind)
	}
	if beside := s.Beside(); beside != "" {
		page.text(right+1, y(s.ResultRow()), size*0.7, beside)
	}
	if s.Numbers > 0 && len(s.Marks) > 0 {
		line := y(s.Numbers) + size*0.28
		if s.Under {
			line += size
		}
		page.add(Line{X1: x(places) - size*0.5, Y1: line, X2: right, Y2: line, Breadth: 0.4, Ink: Black})
	}
}

// tryOut puts the task to try, what a grown-up asks, and the answer at the foot, and says where
// it begins.
func (p Print) tryOut(page *Page, try Item, words say.Words, swaps bool) float64 {
	foot := page.Height - End - 1
	right := page.Width - Side
	about := p.Of
	if try.Stage != "" {
		about = words.Stage(try.Stage)
		if p.Of != "" {
			about = p.Of + " · " + about
		}
	}
	page.add(Text{X: Side, Y: foot, Size: footSize, Words: about, Ink: Grey, Most: 110})
	page.add(Text{X: right, Y: foot, Size: footSize, Words: words.TaskShort(try.Task) + " = " + try.Task.Result(), Align: Right, Ink: Grey, Most: 60})
	y := foot - 9
	pr, _ := problem.From(try.Task)
	page.add(Text{X: Side, Y: y, Size: 4.6, Words: words.StripNoMaterial(), Ink: Black, Most: right - Side})
	y -= 7
	x := Side
	for _, q := range words.StripQuestions(pr.Kind, swaps) {
		page.add(Text{X: x, Y: y, Size: 4.6, Words: q, Ink: Black, Most: 86})
		x += 92
		if x > right-40 {
			break
		}
	}
	y -= 7
	page.add(Text{X: Side, Y: y, Size: 4.8, Words: say.StripAsk, Bold: true, Ink: Black})
	y -= 6
	page.add(Line{X1: Side, Y1: y, X2: right, Y2: y, Breadth: 0.3, Ink: Black})
	const box = 36.0
	area := Area{Side, y - box - 3, right - Side, box}
	panel(page, area)
	page.add(Text{X: Side, Y: area.Y - 2.5, Size: 5.2, Words: say.StripYours, Ink: Black})
	mid := area.X + area.W*0.42
	page.add(Line{X1: mid, Y1: area.Y + 2, X2: mid, Y2: area.Bottom() - 2, Breadth: 0.25, Ink: Edge, Dashed: true})
	page.add(Text{X: mid + 2, Y: area.Y + 5.5, Size: 3.8, Words: say.SheetRoom, Ink: Grey})
	if pr.Kind == problem.Sum || pr.Kind == problem.Difference {
		q := p
		q.Boxes, q.Signs = true, true
		f := q.frameOf([]Item{try})
		inner := Area{area.X + 3, area.Y + 2, mid - area.X - 6, area.H - 4}
		scale := min(1, inner.W/f.width(), inner.H/f.height())
		q.column(page, f, try, Point{inner.X + (inner.W+f.width()*scale)/2 - 1, inner.Y + (inner.H-f.height()*scale)/2}, scale)
	} else {
		page.add(Text{X: area.X + 8, Y: area.Y + box/2 + 3, Size: 9, Words: words.Lie(pr), Ink: Black, Most: mid - area.X - 30})
	}
	return area.Y - 8
}
