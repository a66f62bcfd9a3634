package printing

import (
	"encoding/xml"
	"fmt"
	"strings"

	"vineswap/core/hue"
	"vineswap/core/sheet"
)

// SVG draws a page for the screen. Its one unit is a mm; the font is named, not held.
func SVG(page sheet.Page) string {
	var b strings.Builder
	fmt.Fprintf(&b, `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 %s %s" font-family="Andika" stroke-linecap="round" stroke-linejoin="round">`, mm(page.Width), mm(page.Height))
	fmt.Fprintf(&b, `<rect width="%s" height="%s" fill="#ffffff"/>`, mm(page.Width), mm(page.Height))
	for _, m := range page.Marks {
		draw(&b, m)
	}
	b.WriteString("</svg>")
	return b.String()
}

// mm writes a length with at most three digits behind the point.
func mm(v float64) string {
	return strings.TrimRight(strings.TrimRight(fmt.Sprintf("%.3f", v), "0"), ".")
}

func look(b *strings.Builder, breadth float64, ink, fill hue.Colour, dashed bool) {
	if fill == "" {
		fill = "none"
	}
	fmt.Fprintf(b, ` fill="%s"`, fill)
	if breadth > 0 && ink != "" {
		fmt.Fprintf(b, ` stroke="%s" stroke-width="%s"`, ink, mm(breadth))
	}
	if dashed {
		b.WriteString(` stroke-dasharray="1.2 1"`)
	}
}

func draw(b *strings.Builder, m sheet.Mark) {
	switch m := m.(type) {
	case sheet.Text:
		rows, size := fit(m)
		weight := ""
		if m.Bold {
			weight = ` font-weight="700"`
		}
		for _, r := range rows {
			fmt.Fprintf(b, `<text x="%s" y="%s" font-size="%s" fill="%s"%s>`, mm(r.x), mm(r.y), mm(size), m.Ink, weight)
			_ = xml.EscapeText(b, []byte(r.words)) // a strings.Builder takes everything
			b.WriteString("</text>")
		}
	case sheet.Line:
		fmt.Fprintf(b, `<path d="M%s %sL%s %s"`, mm(m.X1), mm(m.Y1), mm(m.X2), mm(m.Y2))
		look(b, m.Breadth, m.Ink, "", m.Dashed)
		b.WriteString("/>")
	case sheet.Box:
		fmt.Fprintf(b, `<rect x="%s" y="%s" width="%s" height="%s" rx="%s"`, mm(m.X), mm(m.Y), mm(m.W), mm(m.H), mm(m.Round))
		look(b, m.Breadth, m.Ink, m.Fill, m.Dashed)
		b.WriteString("/>")
	case sheet.Disc:
		fmt.Fprintf(b, `<circle cx="%s" cy="%s" r="%s"`, mm(m.X), mm(m.Y), mm(m.R))
		look(b, m.Breadth, m.Ink, m.Fill, false)
		b.WriteString("/>")
	case sheet.Path:
		b.WriteString(`<path d="M`)
		for i, q := range m.Points {
			switch {
			case i > 0 && m.Straight:
				b.WriteString("L")
			case i%3 == 1 && !m.Straight:
				b.WriteString("C")
			case i > 0:
				b.WriteString(" ")
			}
			fmt.Fprintf(b, "%s %s", mm(q.X), mm(q.Y))
		}
		if m.Closed {
			b.WriteString("Z")
		}
		b.WriteString(`"`)
		look(b, m.Breadth, m.Ink, m.Fill, false)
		b.WriteString("/>")
	}
}
