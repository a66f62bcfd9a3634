package sheet

import "vineswap/core/hue"

// Paper is a size of paper.
type Paper string

// The sizes of paper.
const (
	A4     Paper = "a4"
	Letter Paper = "letter"
)

// Papers returns the sizes, the usual one first.
func Papers() []Paper { return []Paper{A4, Letter} }

// Size is the width and the height of the paper in mm (ISO 216; ANSI/ASME Y14.1).
func (p Paper) Size() (width, height float64) {
	if p == Letter {
		return 215.9, 279.4
	}
	return 210, 297
}

// The margins in mm: at the sides, and at the head and the foot. Nothing is printed outside
// them.
const (
	Side = 15.0
	End  = 13.0
)

// Page is one printed page, in mm from its upper left corner.
type Page struct {
	Width, Height float64
	Marks         []Mark
}

// Mark is one thing on a page: a Text, Line, Box, Disc or Path.
type Mark interface{ mark() }

// Align is which point of a text its X is.
type Align int

// The points of a text.
const (
	Left Align = iota
	Middle
	Right
)

// Text is words on a line. Y is the line that the letters stand on, Size the height of the
// type (its em) in mm. Where Most is given, the words are set in at most so many Rows, one
// where there is none, and made smaller until no row is wider.
type Text struct {
	X, Y, Size float64
	Words      string
	Align      Align
	Bold       bool
	Ink        hue.Colour
	Most       float64
	Rows       int
}

// RowHigh is how far apart the rows of a text are, in ems.
const RowHigh = 1.15

// Line is a straight line, with its breadth.
type Line struct {
	X1, Y1, X2, Y2, Breadth float64
	Ink                     hue.Colour
	Dashed                  bool
}

// Box is a rectangle with round corners; without a breadth it has no edge, without a fill
// nothing inside.
type Box struct {
	X, Y, W, H, Round, Breadth float64
	Ink, Fill                  hue.Colour
	Dashed                     bool
}

// Disc is a circle.
type Disc struct {
	X, Y, R, Breadth float64
	Ink, Fill        hue.Colour
}

// Point is a point of a path in mm.
type Point struct{ X, Y float64 }

// Path is a curve through cubic Béziers: a first point, then two handles and an end for each
// part. Where Straight is set its points are corners.
type Path struct {
	Points    []Point
	Straight  bool
	Closed    bool
	Breadth   float64
	Ink, Fill hue.Colour
}

func (Text) mark() {}
func (Line) mark() {}
func (Box) mark()  {}
func (Disc) mark() {}
func (Path) mark() {}

// The inks of a page. Everything that must be read after photocopying is Black.
const (
	Black hue.Colour = "#1a1a1a"
	Grey  hue.Colour = "#555555"
	White hue.Colour = "#ffffff"
	Edge  hue.Colour = "#6b6b6b" // of boxes to write into
)

func (p *Page) add(marks ...Mark) { p.Marks = append(p.Marks, marks...) }

func (p *Page) text(x, y, size float64, words string) {
	p.add(Text{X: x, Y: y, Size: size, Words: words, Ink: Black})
}

func (p *Page) middle(x, y, size float64, words string) {
	p.add(Text{X: x, Y: y, Size: size, Words: words, Align: Middle, Ink: Black})
}

// rule is a line to write on.
func (p *Page) rule(x1, x2, y float64) {
	p.add(Line{X1: x1, Y1: y, X2: x2, Y2: y, Breadth: 0.25, Ink: Edge})
}

// field is a box to write into.
func (p *Page) field(r Area) {
	p.add(Box{X: r.X, Y: r.Y, W: r.W, H: r.H, Round: 1.2, Breadth: 0.3, Ink: Edge})
}

// Area is a rectangle on a page in mm.
type Area struct{ X, Y, W, H float64 }

// Right and Bottom are its other edges.
func (a Area) Right() float64  { return a.X + a.W }
func (a Area) Bottom() float64 { return a.Y + a.H }

// in is the area without a border.
func (a Area) in(d float64) Area { return Area{a.X + d, a.Y + d, a.W - 2*d, a.H - 2*d} }

// cells cuts an area into columns and as many rows as n things need, row by row.
func (a Area) cells(n, columns int, gap float64) []Area {
	rows := (n + columns - 1) / columns
	w, h := (a.W-gap*float64(columns-1))/float64(columns), (a.H-gap*float64(rows-1))/float64(rows)
	list := make([]Area, n)
	for i := range list {
		list[i] = Area{a.X + float64(i%columns)*(w+gap), a.Y + float64(i/columns)*(h+gap), w, h}
	}
	return list
}
