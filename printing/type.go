package printing

import (
	_ "embed" // of the fonts
	"strings"
	"sync"

	"golang.org/x/image/font"
	"golang.org/x/image/font/sfnt"
	"golang.org/x/image/math/fixed"

	"vineswap/core/sheet"
)

//go:embed fonts/Andika-Regular.ttf
var regular []byte

//go:embed fonts/Andika-Bold.ttf
var bold []byte

// face is a font that is measured.
type face struct {
	sync.Mutex
	font   *sfnt.Font
	buffer sfnt.Buffer
	known  map[rune]float64 // the width of a letter in ems; below zero for one that is not there
}

var faces = sync.OnceValue(func() [2]*face {
	var made [2]*face
	for i, data := range [][]byte{regular, bold} {
		parsed, err := sfnt.Parse(data)
		if err != nil {
			panic("the font that is shipped cannot be read: " + err.Error())
		}
		made[i] = &face{font: parsed, known: map[rune]float64{}}
	}
	return made
})

// Missing stands for every letter that the fonts have not.
const Missing = '\u25a1'

const perEm = 1000

// letter is the width of a letter in ems; false where the font has no such letter.
func (f *face) letter(r rune) (float64, bool) {
	f.Lock()
	defer f.Unlock()
	width, seen := f.known[r]
	if !seen {
		width = -1
		if at, err := f.font.GlyphIndex(&f.buffer, r); err == nil && at != 0 {
			if advance, err := f.font.GlyphAdvance(&f.buffer, at, fixed.I(perEm), font.HintingNone); err == nil {
				width = float64(advance) / 64 / perEm
			}
		}
		if len(f.known) < 4096 {
			f.known[r] = width
		}
	}
	return width, width >= 0
}

func faceOf(t sheet.Text) *face {
	if t.Bold {
		return faces()[1]
	}
	return faces()[0]
}

// Printable is a text with every letter that cannot be printed replaced, and whether there was
// one.
func Printable(words string) (printed string, all bool) {
	f := faces()[0]
	all = true
	printed = strings.Map(func(r rune) rune {
		if _, has := f.letter(r); !has || r < ' ' {
			all = false
			return Missing
		}
		return r
	}, words)
	return printed, all
}

// row is one row of a text as it is printed: its letters, where it begins and the line that it
// stands on, in mm.
type row struct {
	words string
	x, y  float64
}

// wide is how wide words are, in ems.
func (f *face) wide(words string) (width float64) {
	for _, r := range words {
		w, _ := f.letter(r)
		width += max(w, 0)
	}
	return width
}

// fit is a text as it is printed: its rows, and the size of its type.
func fit(t sheet.Text) (rows []row, size float64) {
	words, _ := Printable(t.Words)
	f := faceOf(t)
	size = t.Size
	lines := []string{words}
	if t.Most > 0 {
		for lines = f.broken(words, t.Most/size); len(lines) > max(1, t.Rows) && size > t.Size/4; lines = f.broken(words, t.Most/size) {
			size *= 0.95
		}
		widest := 0.0
		if len(lines) > max(1, t.Rows) {
			lines = []string{words}
		}
		for _, line := range lines {
			widest = max(widest, f.wide(line))
		}
		if widest*size > t.Most {
			size = t.Most / widest
		}
	}
	for i, line := range lines {
		rows = append(rows, row{line, start(t, f.wide(line)*size), t.Y + float64(i)*sheet.RowHigh*size})
	}
	return rows, size
}

// broken breaks words into rows of at most so many ems; a word that is longer has a row of its
// own.
func (f *face) broken(words string, most float64) []string {
	var lines []string
	now := ""
	for _, word := range strings.Split(words, " ") {
		longer := word
		if now != "" {
			longer = now + " " + word
		}
		if now != "" && f.wide(longer) > most {
			lines = append(lines, now)
			longer = word
		}
		now = longer
	}
	return append(lines, now)
}

// start is where a row begins, in mm.
func start(t sheet.Text, width float64) float64 {
	switch t.Align {
	case sheet.Middle:
		return t.X - width/2
	case sheet.Right:
		return t.X - width
	}
	return t.X
}
