package printing_test

import (
	"bytes"
	"encoding/xml"
	"errors"
	"fmt"
	"image"
	"image/color"
	"image/png"
	"io"
	"math"
	"os"
	"os/exec"
	"path/filepath"
	"regexp"
	"slices"
	"strconv"
	"strings"
	"testing"

	"vineswap/core/choose"
	"vineswap/core/setting"
	"vineswap/core/sheet"
	"vineswap/core/task"
	"vineswap/printing"
)

// tool runs one of the programs that read a PDF back.
func tool(t *testing.T, name string, args ...string) string {
	t.Helper()
	out, err := exec.Command(name, args...).Output()
	if err != nil {
		t.Fatalf("%s %v: %v", name, args, err)
	}
	return string(out)
}

// file writes pages as a PDF.
func file(t *testing.T, pages []sheet.Page) string {
	t.Helper()
	pdf := printing.NewPDF("a sheet")
	pdf.Add(pages...)
	path := filepath.Join(t.TempDir(), "sheet.pdf")
	out, err := os.Create(path)
	if err != nil {
		t.Fatal(err)
	}
	if err := errors.Join(pdf.Write(out), out.Close()); err != nil {
		t.Fatal(err)
	}
	return path
}

func usual(kind sheet.Kind) sheet.Print {
	return sheet.Print{Spec: sheet.Usual(kind), Class: setting.Default(), Of: "Orchard room", Code: "K7"}
}

func drawn(t testing.TB, p sheet.Print, stage choose.StageID, seed uint64) []sheet.Item {
	t.Helper()
	items, err := p.Draw([]sheet.Part{{Stage: stage, Count: p.Count}}, sheet.From{Range: choose.Widest}, seed)
	if err != nil {
		t.Fatal(err)
	}
	return items
}

// one is a sheet of each kind, with a name.
func one(t testing.TB, kind sheet.Kind, paper sheet.Paper) ([]sheet.Page, []sheet.Item) {
	t.Helper()
	p := usual(kind)
	p.Paper = paper
	p.Names = []string{"Ada W.", "Finn O.", "Wren A."}
	own := sheet.Own{Name: "Ada W."}
	switch {
	case kind == sheet.Strip:
		p.Count = 2
		own.Items = drawn(t, p, choose.OneSwapOnes, 4)
	case kind == sheet.Gather:
		p.Count = 3
		own.Items = drawn(t, p, choose.OneSwapOnes, 4)
	case kind != sheet.Cards && kind != sheet.Record:
		own.Items = drawn(t, p, kind.Typical(), 4)
	}
	pages, err := p.Pages(own)
	if err != nil {
		t.Fatal(kind, err)
	}
	return pages, own.Items
}

// word is a word as pdftotext finds it, in points from the upper left corner.
var word = regexp.MustCompile(`<word xMin="([\d.-]+)" yMin="([\d.-]+)" xMax="([\d.-]+)" yMax="([\d.-]+)">(.*)</word>`)

const perMM = 72 / 25.4

// Every sheet read back: its size, its numbers, and nothing outside the margins.
func TestEverySheetIsReadBack(t *testing.T) {
	for _, paper := range sheet.Papers() {
		for _, kind := range sheet.Kinds() {
			t.Run(fmt.Sprint(kind, " on ", paper), func(t *testing.T) {
				t.Parallel()
				pages, items := one(t, kind, paper)
				path := file(t, pages)
				info := tool(t, "pdfinfo", path)
				w, h := paper.Size()
				size := regexp.MustCompile(`Page size: +([\d.]+) x ([\d.]+) pts`).FindStringSubmatch(info)
				if size == nil || off(size[1], w*perMM) > 0.5 || off(size[2], h*perMM) > 0.5 || !strings.Contains(info, fmt.Sprintf("Pages:           %d", len(pages))) {
					t.Errorf("%s", info)
				}
				if fonts := tool(t, "pdffonts", path); !strings.Contains(fonts, "andika") || strings.Count(fonts, "Identity-H       yes") != strings.Count(fonts, "Identity-H") {
					t.Errorf("the fonts are not embedded:\n%s", fonts)
				}
				var words []string
				for _, m := range word.FindAllStringSubmatch(tool(t, "pdftotext", "-bbox", path, "-"), -1) {
					words = append(words, m[5])
					x1, x2 := num(m[1]), num(m[3])
					if x1 < sheet.Side*perMM-1 || x2 > (w-sheet.Side)*perMM+1 || num(m[2]) < (sheet.End-3)*perMM || num(m[4]) > (h-sheet.End+3)*perMM {
						t.Errorf("%q is outside the margins: %v", m[5], m[1:5])
					}
				}
				text := strings.Join(words, "")
				for _, item := range items {
					for _, digits := range regexp.MustCompile(`\d+`).FindAllString(item.Task.Result(), -1) {
						if kind != sheet.Gather && kind != sheet.Match && !strings.Contains(text, digits) {
							t.Errorf("%s of %s is not there: %s", digits, item.Task, text)
						}
					}
				}
			})
		}
	}
}

func num(text string) float64 { n, _ := strconv.ParseFloat(text, 64); return n }

func off(text string, want float64) float64 { return math.Abs(num(text) - want) }

// The numbers of a column stand under one another, digit by digit.
func TestAColumnReadBack(t *testing.T) {
	p := usual(sheet.Column)
	var own sheet.Own
	for _, text := range []string{"47+25", "503-128"} {
		made, err := task.Parse(text)
		if err != nil {
			t.Fatal(err)
		}
		own.Items = append(own.Items, sheet.Item{Task: made})
	}
	pages, err := p.Pages(own)
	if err != nil {
		t.Fatal(err)
	}
	text := strings.Join(strings.Fields(tool(t, "pdftotext", "-layout", file(t, pages), "-")), "")
	for _, want := range []string{"47503", "+25−128", "72", "375", "sheetK7", "Orchardroom"} {
		if !strings.Contains(text, want) {
			t.Errorf("%s is not there: %s", want, text)
		}
	}
}

// The same sheet gives the same bytes, and they are few.
func TestTheSameSheetGivesTheSameBytes(t *testing.T) {
	pages, _ := one(t, sheet.Column, sheet.A4)
	a, err := os.ReadFile(file(t, pages))
	if err != nil {
		t.Fatal(err)
	}
	b, err := os.ReadFile(file(t, pages))
	if err != nil || !bytes.Equal(a, b) || len(a) > 100_000 {
		t.Errorf("%d bytes, alike: %t, %v", len(a), bytes.Equal(a, b), err)
	}
}

// The cards are as large on paper as they say, to 0.2 mm: measured on a picture with ten dots
// a mm.
func TestCardsAreTrueToSize(t *testing.T) {
	pages, _ := one(t, sheet.Cards, sheet.A4)
	dir := t.TempDir()
	tool(t, "pdftoppm", "-r", "254", "-gray", "-png", "-f", "1", "-l", "1", file(t, pages), filepath.Join(dir, "page"))
	names, _ := filepath.Glob(filepath.Join(dir, "*.png"))
	if len(names) != 1 {
		t.Fatal(names)
	}
	picture := open(t, names[0])
	// A line through the first cards just under their upper edge, and one through each further
	// row, crosses their sides alone.
	for row, want := range []float64{18, 36, 36, 54, 54, 54, 72} {
		y := sheet.End + sheet.CardHigh*float64(row) + 2
		sides := dark(picture, int(y*10))
		if len(sides) < 3 {
			t.Errorf("row %d has %d sides", row, len(sides))
			continue
		}
		for i := 1; i < len(sides); i++ {
			if got := sides[i] - sides[i-1]; math.Abs(got-want) > 0.2 {
				t.Errorf("row %d: a card is %.2f mm wide, not %.0f", row, got, want)
			}
		}
	}
}

func open(t *testing.T, path string) image.Image {
	t.Helper()
	in, err := os.Open(path)
	if err != nil {
		t.Fatal(err)
	}
	defer in.Close()
	made, err := png.Decode(in)
	if err != nil {
		t.Fatal(err)
	}
	return made
}

// dark are the middles of the dark stretches of a row of a picture, in mm.
func dark(p image.Image, y int) []float64 {
	var list []float64
	from := -1
	for x := range p.Bounds().Dx() {
		is := color.GrayModel.Convert(p.At(x, y)).(color.Gray).Y < 200
		switch {
		case is && from < 0:
			from = x
		case !is && from >= 0:
			list = append(list, float64(from+x-1)/20)
			from = -1
		}
	}
	return list
}

// A sheet photocopied: what is to be read is dark on white without its colours.
func TestASheetIsReadInGrey(t *testing.T) {
	pages, _ := one(t, sheet.DrawnTens, sheet.A4)
	dir := t.TempDir()
	tool(t, "pdftoppm", "-r", "60", "-gray", "-png", file(t, pages), filepath.Join(dir, "page"))
	names, _ := filepath.Glob(filepath.Join(dir, "*.png"))
	picture := open(t, names[0])
	count := 0
	for y := range picture.Bounds().Dy() {
		for x := range picture.Bounds().Dx() {
			if color.GrayModel.Convert(picture.At(x, y)).(color.Gray).Y < 110 {
				count++
			}
		}
	}
	if count < 1_000 {
		t.Errorf("%d dots are dark", count)
	}
}

// The picture on the screen has the same words as the print, and is well-formed whatever a
// child is called.
func TestTheScreenShowsTheSame(t *testing.T) {
	for _, kind := range sheet.Kinds() {
		pages, _ := one(t, kind, sheet.A4)
		for _, page := range pages {
			var shown []string
			d := xml.NewDecoder(strings.NewReader(printing.SVG(page)))
			for {
				token, err := d.Token()
				if errors.Is(err, io.EOF) {
					break
				}
				if err != nil {
					t.Fatal(kind, err)
				}
				if text, is := token.(xml.CharData); is {
					shown = append(shown, strings.Fields(string(text))...)
				}
			}
			var want []string
			for _, m := range page.Marks {
				if text, is := m.(sheet.Text); is {
					want = append(want, strings.Fields(text.Words)...)
				}
			}
			if !slices.Equal(shown, want) {
				t.Errorf("%s: %v, not %v", kind, shown, want)
			}
		}
	}
	p := usual(sheet.Column)
	pages, err := p.Pages(sheet.Own{Name: `</text><script>alert("x")</script> & Ada`, Items: drawn(t, p, choose.OneSwapOnes, 1)})
	if err != nil {
		t.Fatal(err)
	}
	if drawn := printing.SVG(pages[0]); strings.Contains(drawn, "<script") || !strings.Contains(drawn, "&lt;script") {
		t.Error("a name is taken for a part of the picture")
	}
}

// A letter that the fonts have not is seen to be missing, and a name of any length stays in its
// room.
func TestNames(t *testing.T) {
	for name, want := range map[string]struct {
		printed string
		all     bool
	}{
		"Ada W.": {"Ada W.", true}, "Žofie Ž.": {"Žofie Ž.", true}, "Øyvind Å.": {"Øyvind Å.", true}, "Ирина К.": {"Ирина К.", true},
		"美 Ada": {"□ Ada", false}, "🐝": {"□", false},
	} {
		if printed, all := printing.Printable(name); printed != want.printed || all != want.all {
			t.Errorf("%q is printed %q, all of it: %t", name, printed, all)
		}
	}
	p := usual(sheet.Column)
	for _, name := range []string{strings.Repeat("W", 60), strings.Repeat("Wren Ada ", 7)[:60], "美美美", "ا ب"} {
		pages, err := p.Pages(sheet.Own{Name: name, Items: drawn(t, p, choose.OneSwapOnes, 1)})
		if err != nil {
			t.Fatal(err)
		}
		path := file(t, pages)
		for _, m := range word.FindAllStringSubmatch(tool(t, "pdftotext", "-bbox", path, "-"), -1) {
			if num(m[3]) > (210-sheet.Side)*perMM+1 {
				t.Errorf("%s: %q ends at %s", name, m[5], m[3])
			}
		}
		if text := tool(t, "pdftotext", path, "-"); strings.ContainsRune(name, '美') && !strings.ContainsRune(text, printing.Missing) {
			t.Errorf("%s is printed as %.40q", name, text)
		}
	}
}

// BenchmarkSheet is a sheet of twelve tasks with its key, drawn, laid out and written; 50 ms are
// asked for.
func BenchmarkSheet(b *testing.B) {
	p := usual(sheet.Column)
	p.Count = 12
	for seed := uint64(0); b.Loop(); seed++ {
		pages, err := p.Pages(sheet.Own{Name: "Ada W.", Items: drawn(b, p, choose.SeveralSwaps, seed)})
		if err != nil {
			b.Fatal(err)
		}
		pdf := printing.NewPDF("a sheet")
		pdf.Add(pages...)
		if err := pdf.Write(io.Discard); err != nil {
			b.Fatal(err)
		}
	}
}

// BenchmarkClass is 24 different sheets with their keys in one file; 1.5 s are asked for.
func BenchmarkClass(b *testing.B) {
	p := usual(sheet.Column)
	stages := sheet.Column.Stages()
	for seed := uint64(0); b.Loop(); seed++ {
		pdf := printing.NewPDF("sheets")
		for i := range uint64(24) {
			pages, err := p.Pages(sheet.Own{Name: fmt.Sprint("Child ", i), Items: drawn(b, p, stages[int(i)%len(stages)], 24*seed+i)})
			if err != nil {
				b.Fatal(err)
			}
			pdf.Add(pages...)
		}
		if err := pdf.Write(io.Discard); err != nil {
			b.Fatal(err)
		}
	}
}
