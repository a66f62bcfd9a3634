package printing

import (
	"io"
	"strconv"
	"time"

	"codeberg.org/go-pdf/fpdf"

	"vineswap/core/hue"
	"vineswap/core/sheet"
)

const family = "Andika"

// made is the date that every file has: the same sheet gives the same bytes.
var made = time.Date(2000, 1, 1, 0, 0, 0, 0, time.UTC)

// PDF is a file of pages. The zero value cannot be used: NewPDF makes one.
type PDF struct{ doc *fpdf.Fpdf }

// NewPDF begins a file.
func NewPDF(title string) *PDF {
	doc := fpdf.New("P", "mm", "A4", "")
	doc.SetCreationDate(made)
	doc.SetModificationDate(made)
	doc.SetCatalogSort(true)
	doc.SetTitle(title, true)
	doc.SetProducer("Vine Swap", true)
	doc.SetAutoPageBreak(false, 0)
	doc.SetMargins(0, 0, 0)
	doc.AddUTF8FontFromBytes(family, "", regular)
	doc.AddUTF8FontFromBytes(family, "B", bold)
	doc.SetLineCapStyle("round")
	doc.SetLineJoinStyle("round")
	return &PDF{doc: doc}
}

// Add draws pages.
func (p *PDF) Add(pages ...sheet.Page) {
	for _, page := range pages {
		p.doc.AddPageFormat("P", fpdf.SizeType{Wd: page.Width, Ht: page.Height})
		for _, m := range page.Marks {
			p.draw(m)
		}
	}
}

// Pages is how many pages there are.
func (p *PDF) Pages() int { return p.doc.PageCount() }

// Write ends the file and writes it.
func (p *PDF) Write(w io.Writer) error { return p.doc.Output(w) }

func rgb(c hue.Colour) (r, g, b int) {
	if len(c) != len("#rrggbb") {
		return 0, 0, 0
	}
	n, _ := strconv.ParseUint(string(c[1:]), 16, 32)
	return int(n >> 16), int(n >> 8 & 255), int(n & 255)
}

// pen sets the breadth and the colours of a mark, and says how it is drawn: its edge, its
// inside, both; empty for neither.
func (p *PDF) pen(breadth float64, ink, fill hue.Colour, dashed bool) string {
	style := ""
	if breadth > 0 && ink != "" {
		style = "D"
		p.doc.SetLineWidth(breadth)
		p.doc.SetDrawColor(rgb(ink))
		if dashed {
			p.doc.SetDashPattern([]float64{1.2, 1}, 0)
		} else {
			p.doc.SetDashPattern(nil, 0)
		}
	}
	if fill != "" {
		style += "F"
		p.doc.SetFillColor(rgb(fill))
	}
	return style
}

func (p *PDF) draw(m sheet.Mark) {
	switch m := m.(type) {
	case sheet.Text:
		rows, size := fit(m)
		style := ""
		if m.Bold {
			style = "B"
		}
		p.doc.SetFont(family, style, 0)
		p.doc.SetFontUnitSize(size)
		p.doc.SetTextColor(rgb(m.Ink))
		for _, r := range rows {
			p.doc.Text(r.x, r.y, r.words)
		}
	case sheet.Line:
		p.pen(m.Breadth, m.Ink, "", m.Dashed)
		p.doc.Line(m.X1, m.Y1, m.X2, m.Y2)
	case sheet.Box:
		if style := p.pen(m.Breadth, m.Ink, m.Fill, m.Dashed); style != "" {
			if m.Round > 0 {
				p.doc.RoundedRect(m.X, m.Y, m.W, m.H, min(m.Round, m.W/2, m.H/2), "1234", style)
			} else {
				p.doc.Rect(m.X, m.Y, m.W, m.H, style)
			}
		}
	case sheet.Disc:
		if style := p.pen(m.Breadth, m.Ink, m.Fill, false); style != "" {
			p.doc.Circle(m.X, m.Y, m.R, style)
		}
	case sheet.Path:
		p.path(m)
	}
}

func (p *PDF) path(m sheet.Path) {
	style := p.pen(m.Breadth, m.Ink, m.Fill, false)
	if style == "" || len(m.Points) == 0 {
		return
	}
	p.doc.MoveTo(m.Points[0].X, m.Points[0].Y)
	rest := m.Points[1:]
	for len(rest) > 0 {
		if m.Straight {
			p.doc.LineTo(rest[0].X, rest[0].Y)
			rest = rest[1:]
			continue
		}
		p.doc.CurveBezierCubicTo(rest[0].X, rest[0].Y, rest[1].X, rest[1].Y, rest[2].X, rest[2].Y)
		rest = rest[3:]
	}
	if m.Closed {
		p.doc.ClosePath()
	}
	p.doc.DrawPath(style)
}
