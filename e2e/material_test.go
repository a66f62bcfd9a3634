package e2e_test

import (
	"bytes"
	"fmt"
	"image"
	"image/png"
	"os"
	"path/filepath"
	"testing"
	"time"

	"github.com/chromedp/chromedp/kb"

	"vineswap/core/book"
	"vineswap/core/material"
	"vineswap/core/problem"
	"vineswap/e2e/guide"
)

// names are what a class calls the pieces of a material: of one, ones first.
var names = map[material.Kind][4][2]string{
	material.Beads:    {{"bead", "beads"}, {"bar", "bars"}, {"square", "squares"}, {"cube", "cubes"}},
	material.Blocks:   {{"small cube", "small cubes"}, {"stick", "sticks"}, {"flat", "flats"}, {"big cube", "big cubes"}},
	material.Drawings: {{"dot", "dots"}, {"line", "lines"}, {"square", "squares"}, {"cube", "cubes"}},
}

// pile is the name that ears hear for so many pieces of a place on a tray.
func pile(kind material.Kind, tray string, n, place int) string {
	name := names[kind][place][1]
	if n == 1 {
		name = names[kind][place][0]
	}
	return fmt.Sprintf("%s: %d %s", tray, n, name)
}

// onTheMat gathers a problem of one's own and lays it out with a material.
func onTheMat(g *guide.Guide, problem string, kind material.Kind, children ...string) *guide.Guide {
	g.Press("Numbers").See("Twelve of them").Write("Numbers of your own", problem).Press("Look").Holds("looked at", fmt.Sprintf("document.querySelector('[data-live]').innerText.startsWith(%q)", problem)).Settle()
	g.Press("Gather").See("Who comes?")
	for i, child := range children {
		g.Press(child).See(fmt.Sprintf("%d%s", i+1, child))
	}
	g.Press("done").Press("To the mat").See("About").Key(" ").Holds("laid out", at("lay-out/0"))
	if kind != "" {
		g.Press(string(kind)).Holds("in "+string(kind), fmt.Sprintf("document.querySelector('[aria-checked=true]')?.innerText.includes(%q)", kind))
	}
	return g.Settle()
}

// until steps on to a position.
func until(g *guide.Guide, position string) *guide.Guide {
	for range 80 {
		now := guide.Read[string](g, "document.querySelector('[data-step]')?.dataset.step")
		if now == position || g.Err() != nil {
			return g
		}
		g.Key(" ").Holds("a step on from "+now, fmt.Sprintf("document.querySelector('[data-step]')?.dataset.step !== %q", now))
	}
	return g.Holds(position, at(position))
}

// With each material: taking away over two zeros, sharing with a rest, six addends.
// Every pile has one name, and each step is said once.
func TestEveryMaterial(t *testing.T) {
	t.Parallel()
	for _, kind := range material.Kinds() {
		t.Run(string(kind), func(t *testing.T) {
			s := open(t)
			s.T = t
			g := s.sit(laptopWidth, laptopHeight)
			onTheMat(s.login(g, "hanne"), "5003-1264", kind)
			there(until(g, "work/ones/3"), pile(kind, "the number", 13, 0), pile(kind, "the number", 9, 1), pile(kind, "the number", 9, 2), pile(kind, "the number", 4, 3))
			g.Holds("said once", "document.querySelector('[data-live]').innerText === document.querySelector('[data-said]').innerText && document.querySelectorAll('[aria-live]').length === 1")
			there(until(g, "work/ones/4"), pile(kind, "the number", 9, 0))
			if kind.Drawn() {
				g.Holds("four are crossed out, three were given", "document.querySelector('[data-pieces]').dataset.taken === '4' && document.querySelector('[data-pieces]').dataset.given === '3'")
				g.Holds("one sheet", "document.querySelectorAll('.tray').length === 1")
			} else {
				there(g, pile(kind, "taken away", 4, 0))
			}
			g.Holds("the place at work is heard", "[...document.querySelectorAll('.pile')].filter((p) => p.checkVisibility()).every((p, i, all) => all.every((q, k) => k === i || q.getAttribute('aria-label') !== p.getAttribute('aria-label')))")
			until(g, "check/0").See("8 pieces were laid.")
			s.check(g)
			if kind == material.Blocks {
				return // from here on beads and blocks are the same
			}

			// Shared, with a rest: what each has, what is left, and written up so.
			onTheMat(g, "97/4", kind, "Ada W.", "Bram D.")
			there(until(g, "work/tens/1"), pile(kind, "share 1", 2, 1), pile(kind, "share 4", 2, 1))
			for _, v := range g.Axe(axe(t)) {
				t.Errorf("sharing with %s: %s, %s: %v", kind, v.Impact, v.Help, v.Where)
			}
			there(until(g, "work/ones/0"), pile(kind, "the number", 17, 0))
			there(until(g, "work/ones/3"), pile(kind, "share 2", 4, 0), pile(kind, "the remainder", 1, 0))
			until(g, "read/3").See("“Each gets 24 …, and one is left over.”")
			workedToTheEnd(g).See("17 among four: 4 each, 1 left over").Press("Bram D. right, 24 r 1").Key("1").See("no answer").Key("2", "4", ".", "1").See("24 r 1").Key(kb.Backspace).Settle()
			g.Press("2").Holds("another rest", "document.querySelector('.answer').innerText === '24 r 2'").Key(" ").Holds("written", "document.querySelectorAll('.box.written').length === 2").Settle()
			s.check(g)
			kept := s.kept(g)
			seen, err := s.store.LessonObservations(ctx, kept.ID)
			if err != nil || len(seen) != 2 || !seen[0].Right() || seen[1].Right() || seen[1].Answer != "24 r 2" || seen[0].Material != kind || kept.Current().Task.Kind != problem.Sharing {
				t.Errorf("kept %+v, %v", seen, err)
			}
			if want := map[bool]book.Manner{true: book.Drawn, false: book.Pieces}[kind.Drawn()]; seen[0].Manner != want {
				t.Errorf("worked with %s and written as %s", kind, seen[0].Manner)
			}
			g.Key(" ").See("Wednesday 25 November")

			// Six addends: several tens of a place.
			onTheMat(g, "89+98+87+78+99+69", kind)
			there(until(g, "work/ones/0"), pile(kind, "pushed together", 50, 0), pile(kind, "pushed together", 47, 1))
			there(until(g, "work/ones/10"), pile(kind, "pushed together", 0, 0), pile(kind, "pushed together", 52, 1))
			if kind.Drawn() {
				g.Holds("five tens are ringed", "document.querySelectorAll('.loop.done').length === 5")
			}
			until(g, "read/1").See("Five hundred twenty.").Settle()
			s.check(g)
			if kept := s.kept(g); kept.At.String() != "read/1" || kept.Material != kind {
				t.Errorf("kept at %v with %s", kept.At, kept.Material)
			}
		})
	}
}

// The material is another at any step, and the state is the same.
func TestAnotherMaterialAtAnyStep(t *testing.T) {
	s := open(t)
	g := s.sitMoving(laptopWidth, laptopHeight)
	onTheMat(s.login(g, "hanne"), "52:4", material.Beads)
	there(until(g, "work/ones/2"), pile(material.Beads, "groups", 8, 0), pile(material.Beads, "the number", 4, 0))
	g.Key("m").Holds("blocks", "document.querySelector('[aria-checked=true]').innerText.includes('blocks')")
	there(g, pile(material.Blocks, "groups", 8, 0)).Key("m").Holds("drawings", "document.querySelector('[aria-checked=true]').innerText.includes('drawings')")
	there(g, pile(material.Drawings, "groups", 8, 0), pile(material.Drawings, "the number", 4, 0)).Holds("two groups", "document.querySelectorAll('.ring.group').length === 2")
	g.Key(kb.Backspace).Holds("back", at("work/ones/1")).Key("m").Holds("beads", "document.querySelector('[aria-checked=true]').innerText.includes('beads')")
	there(g, pile(material.Beads, "groups", 4, 0), pile(material.Beads, "the number", 8, 0)).Settle()
	g.Holds("nothing is left lying", lying(16))
	until(g, "read/0").Settle().Holds("thirteen groups", "document.querySelectorAll('.ring.group').length === 13")
	s.check(g)
	if kept := s.kept(g); kept.Material != material.Beads || kept.Current().Task.Kind != problem.Grouping {
		t.Errorf("kept with %s: %v", kept.Material, kept.Current())
	}
}

// Stepping in a hurry leaves what the trace says: what is on its way is taken back.
func TestSwapsCanBeInterrupted(t *testing.T) {
	s := open(t)
	g := s.sitMoving(laptopWidth, laptopHeight)
	onTheMat(s.login(g, "hanne"), "4999+4999", material.Beads)
	until(g, "work/ones/1").Key(" ", kb.Backspace, " ", kb.Backspace, " ", " ").Holds("on", at("work/ones/3")).Settle()
	g.Holds("what went has gone", lying(8+18+19+8)).Holds("drawn away from the page", away)
	g.Press("Go to join").Holds("the number", at("join/0")).Press("Go to check").Holds("the number", at("check/0")).Settle().Holds("all is joined", lying(35))
}

// away holds when the canvas of the pieces has been handed to a worker.
const away = "(() => { try { return !document.querySelector('[data-pieces] canvas').getContext('2d') } catch { return true } })()"

// Where the pieces cannot be drawn away from the page, they are drawn in it: an older
// browser, and a worker that does not come.
func TestPiecesAreDrawnInThePage(t *testing.T) {
	t.Parallel()
	for name, lacks := range map[string]string{
		"an older browser":    "delete HTMLCanvasElement.prototype.transferControlToOffscreen",
		"no worker to be had": "window.Worker = class { constructor() { setTimeout(() => this.onerror(new Event('error')), 300); } postMessage() {} terminate() {} }",
	} {
		t.Run(name, func(t *testing.T) {
			s := open(t)
			s.T = t
			g := s.sitMoving(laptopWidth, laptopHeight)
			s.login(g, "hanne")
			guide.Read[bool](g, "("+lacks+", true)")
			onTheMat(g, "47+25", material.Blocks)
			until(g, "join/0").Holds("all are there", lying(4+7+2+5)).Key(" ", " ", " ", " ").Holds("swapped", at("work/ones/3")).Settle().Holds("ten went, one came", lying(7+2)).Holds("drawn in the page", "!"+away)
			s.check(g)
		})
	}
}

// A number above the thousand cube is worked with cards and column alone.
func TestCardsAlone(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	onTheMat(s.login(g, "hanne"), "500003-123456", "")
	g.See("There is no piece larger than the thousand cube").Holds("no piece", "!document.querySelector('[data-pieces]')")
	there(until(g, "work/ones/5"), "the number: 10 and 3 in the ones", "the number: 90 in the tens", "the number: 400000 in the hundred-thousands")
	until(g, "read/1").See("Three hundred seventy-six thousand five hundred forty-seven.").Settle()
	there(g, "cards 300000, 70000, 6000, 500, 40, 7")
	s.check(g)
	if kept := s.kept(g); kept.At.String() != "read/1" {
		t.Errorf("kept at %v", kept.At)
	}
}

// Cards slide apart and together: the expanded form, by a touch or with the book.
func TestCardsSlideApart(t *testing.T) {
	s := open(t)
	g := s.sitMoving(laptopWidth, laptopHeight)
	onTheMat(s.login(g, "hanne"), "1458+2367", material.Beads)
	there(until(g, "read/0"), "cards 3000, 800, 20, 5").Press("cards 3000, 800, 20, 5: slide them apart").Holds("apart", "document.querySelector('[role=img][aria-label=\"cards 3000 + 800 + 20 + 5\"]')")
	g.Settle().Holds("side by side", "(() => { const r = [...document.querySelectorAll('.turn .card')].filter((c) => c.checkVisibility()).map((c) => c.getBoundingClientRect()); return r.length === 4 && r.every((x, i) => i === 0 || x.left >= r[i - 1].right); })()")
	there(g.Key("x").Settle(), "cards 3000, 800, 20, 5").See("(2000 + 300 + 60 + 7)").Key("x")
	there(g, "cards 3000 + 800 + 20 + 5").Press("cards 3000 + 800 + 20 + 5: slide them together").Settle().Holds("on one another", "(() => { const r = [...document.querySelectorAll('.turn .card')].filter((c) => c.checkVisibility()).map((c) => Math.round(c.getBoundingClientRect().right)); return new Set(r).size === 1; })()")
}

// differs counts the pixels in which two pictures of the mat differ, and says where:
// the heads of views have the pointer over them now and then.
func differs(t *testing.T, a, b []byte) (n int, where image.Rectangle) {
	t.Helper()
	one, err := png.Decode(bytes.NewReader(a))
	if err != nil {
		t.Fatal(err)
	}
	two, err := png.Decode(bytes.NewReader(b))
	if err != nil {
		t.Fatal(err)
	}
	for y := 96; y < one.Bounds().Dy(); y++ {
		for x := 216; x < 976; x++ {
			if one.At(x, y) != two.At(x, y) {
				n++
				where = where.Union(image.Rect(x, y, x+1, y+1))
			}
		}
	}
	return n, where
}

// A drawing is the same at every visit, to the last pixel.
func TestDrawingsStandStill(t *testing.T) {
	s := open(t)
	dir := t.TempDir()
	shot := func(g *guide.Guide, name string) []byte {
		path := filepath.Join(dir, name)
		g.Settle().Picture(path)
		shot, err := os.ReadFile(path)
		if err != nil {
			t.Fatal(err, g.Err())
		}
		return shot
	}
	// A picture is one of a page that stands: two in a row are the same.
	picture := func(g *guide.Guide, name string) []byte {
		last := shot(g, name)
		for range 10 {
			time.Sleep(150 * time.Millisecond)
			now := shot(g, name)
			n, _ := differs(t, last, now)
			if last = now; n == 0 {
				break
			}
		}
		return last
	}
	g := s.sit(laptopWidth, laptopHeight)
	onTheMat(s.login(g, "hanne"), "1547+2386", material.Drawings)
	until(g, "work/hundreds/1")
	first := picture(g, "first.png")
	g.Reload().Holds("the same step", at("work/hundreds/1"))
	if n, where := differs(t, first, picture(g, "again.png")); n > 0 {
		t.Errorf("after a reload the drawing is another: %d pixels within %v", n, where)
	}
	g.Key(kb.Backspace).Holds("a step back", at("work/hundreds/0")).Settle()
	if n, _ := differs(t, first, picture(g, "other.png")); n < 1_000 {
		t.Errorf("the pictures of two steps differ in %d pixels: nothing was compared", n)
	}
	g.Press("Today").See("in your hand").Press("Mat").Holds("again", at("work/hundreds/0")).Key(" ").Holds("on", at("work/hundreds/1"))
	if n, where := differs(t, first, picture(g, "later.png")); n > 0 {
		t.Errorf("after a visit elsewhere the drawing is another: %d pixels within %v", n, where)
	}
}

// A class matches its own set: the mat follows, and what is too faint for text is
// darkened and said.
func TestColoursOfOnesOwnSet(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	onTheMat(s.login(g, "hanne"), "47+25", material.Blocks)
	choose := func(label, colour string) {
		g.Holds(label, fmt.Sprintf("(() => { const i = document.querySelector('input[aria-label=%q]'); i.value = %q; i.dispatchEvent(new Event('change', { bubbles: true })); return true })()", label, colour))
		g.Holds("kept", fmt.Sprintf("[...document.querySelectorAll('input[type=color]')].some((i) => i.value === %q) && document.querySelector('.saved').innerText === 'Saved' && document.body.innerText.length > 0", colour)).Settle()
	}
	g.Press("Orchard room").See("Colours of your own set")
	choose("Colour of the tens", "#ffee33")
	g.See("tens Darkened for text: as it is its contrast is 1.0, and text needs 4.5.")
	choose("Colour of the bar of 4", "#22aa55")
	choose("Colour of the hundreds", "#ffee44")
	g.See("The colours of tens and hundreds are hard to tell apart: their marks and shapes tell them still.")
	colour := func(name string) string {
		return guide.Read[string](g, fmt.Sprintf("getComputedStyle(document.documentElement).getPropertyValue(%q)", name))
	}
	if colour("--tens") != "#ffee33" || colour("--tens-ink") == "#ffee33" || colour("--stair-4") != "#22aa55" {
		t.Errorf("the page has %s, %s for text, %s", colour("--tens"), colour("--tens-ink"), colour("--stair-4"))
	}
	g.Press("Mat").Holds("on the mat", at("lay-out/0")).Reload().Holds("and after a reload", "getComputedStyle(document.documentElement).getPropertyValue('--tens') === '#ffee33'")
	_, class := s.lead()
	kept, err := s.store.Class(ctx, class)
	if err != nil || kept.Settings.Colours.Places[1] != "#ffee33" || kept.Settings.Colours.Stair[3] != "#22aa55" || kept.Settings.Colours.Places[0] != "#e9a81f" {
		t.Errorf("kept %v, %v", kept.Settings.Colours, err)
	}
	g.Press("Orchard room").See("Colours of your own set").Press("Back to the colours of Vine Swap").Holds("ours", "getComputedStyle(document.documentElement).getPropertyValue('--tens') === '#2b8a8f'")
}

// In a person's own colours the paper, the ink and what is chosen are theirs.
func TestForcedColours(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	onTheMat(s.login(g, "hanne"), "47+25", material.Blocks)
	g.Media("forced-colors", "active")
	until(g, "work/ones/1")
	g.Holds("paper and ink are the person's", `(() => {
		const probe = document.body.appendChild(document.createElement('p'));
		probe.style.cssText = 'color: CanvasText; background: Canvas; forced-color-adjust: none';
		const { color, backgroundColor } = getComputedStyle(probe), tray = getComputedStyle([...document.querySelectorAll('.tray')].at(-1));
		probe.remove();
		return tray.fill === backgroundColor && tray.stroke === color;
	})()`)
	g.Holds("what is chosen is framed", "getComputedStyle(document.querySelector('.materials [aria-checked=true]')).outlineStyle === 'solid' && getComputedStyle(document.querySelector('.materials [aria-checked=false]')).outlineStyle === 'none'")
	g.Holds("the next action has an edge", "parseFloat(getComputedStyle(document.querySelector('[data-next]')).borderTopWidth) >= 1")
}
