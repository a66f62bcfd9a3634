package e2e_test

import (
	_ "embed"
	"fmt"
	"testing"

	"vineswap/e2e/guide"
)

//go:embed walk.js
var walk string

// screen is the size of a window in CSS px: those of the machines in a school, and a
// laptop's enlarged to twice and four times the size.
type screen struct {
	name          string
	width, height int64
}

var screens = []screen{
	{"1280x800", 1280, 800}, {"1280x800 at 200 %", 640, 400}, {"1280x800 at 400 %", 320, 200}, {"1024x768", 1024, 768}, {"768x1024", 768, 1024}, {"390x844", 390, 844}, {"1920x1080", 1920, 1080},
}

// In every view and state axe finds nothing serious; and at every size nothing is cut
// off, words and targets lie beside one another and are large enough, and the next action
// is in sight.
func TestEveryViewAtEveryWidth(t *testing.T) {
	s := open(t)
	if looked := atEveryWidth(s, views); looked != 72 {
		t.Errorf("%d views were looked at", looked)
	}
}

// And so in every view and state of what is laid with bars of beads and number rods.
func TestBarsAtEveryWidth(t *testing.T) {
	s := open(t)
	if looked := atEveryWidth(s, bars); looked != 11 {
		t.Errorf("%d views were looked at", looked)
	}
}

// atEveryWidth looks at the views that are gone through, and counts them.
func atEveryWidth(s school, through func(school, *guide.Guide, func(name string))) (looked int) {
	t := s.T
	g := s.sit(laptopWidth, laptopHeight).Coarse().Turn(laptopWidth, laptopHeight)
	source := axe(t)
	through(s, g, func(name string) {
		looked++
		for _, v := range g.Axe(source) {
			t.Errorf("%s: %s, %s: %v", name, v.Impact, v.Help, v.Where)
		}
		for _, at := range screens {
			g.Turned(at.width, at.height)
			for _, drawer := range drawersOf(g) {
				if drawer != "" {
					g.Holds(drawer, fmt.Sprintf("(document.querySelector('[aria-label=Drawers] button:nth-child(%s)').click(), true)", drawer)).Settle()
				}
				for _, fault := range guide.Read[[]string](g, walk) {
					t.Errorf("%s, %s: %s", name, at.name, fault)
				}
			}
		}
		g.Turned(laptopWidth, laptopHeight)
	})
	return looked
}

// drawersOf are the drawers that a view has at this size, each to be opened and looked at.
func drawersOf(g *guide.Guide) []string {
	if guide.Read[bool](g, "!!document.querySelector('[aria-label=Drawers]')?.checkVisibility() && !document.querySelector('dialog[open]')") {
		return []string{"1", "2"}
	}
	return []string{""}
}
