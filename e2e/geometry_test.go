package e2e_test

import (
	"encoding/json"
	"fmt"
	"math"
	"math/rand/v2"
	"os"
	"strings"
	"testing"

	"vineswap/core/lesson"
	"vineswap/core/material"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/setting"
	"vineswap/core/trace"
	"vineswap/e2e/guide"
	"vineswap/wire"
)

// geometry is a tab with the geometry of the mat alone, and nothing of the screens.
func geometry(t *testing.T) *guide.Guide {
	t.Helper()
	t.Parallel()
	script, err := os.ReadFile("../ui/.geometry/geometry.js")
	if err != nil {
		t.Fatalf("the geometry comes with the screens (make build): %v", err)
	}
	g, leave := browser.Sit(laptopWidth, laptopHeight)
	t.Cleanup(leave)
	g.Open("about:blank")
	if !guide.Read[bool](g, string(script)+";window.Geometry = Geometry; true") {
		t.Fatal(g.Err())
	}
	return g
}

type spot struct{ X, Y float64 }

type box struct{ X, Y, Width, Height float64 }

func (b box) holds(other box) bool {
	const near = 0.51 // px
	return other.X >= b.X-near && other.Y >= b.Y-near && other.X+other.Width <= b.X+b.Width+near && other.Y+other.Height <= b.Y+b.Height+near
}

// A heap is set in fives, each piece has a place of its own, and its size is that of
// what lies in it. The narrowest that fits is chosen.
func TestHeaps(t *testing.T) {
	g := geometry(t)
	type heap struct {
		Place, Hand   string
		Count         int
		Spots         []spot
		Width, Height float64
		Box           box
		Fits          bool // a heap with this limit is no higher, and no wider than others that fit
	}
	heaps := guide.Read[[]heap](g, `(() => { const G = Geometry, out = [];
		for (const Place of G.PIECES) for (const Hand of ['laid', 'drawn']) for (let Count = 0; Count <= 89; Count += Count < 21 ? 1 : 17) for (const rows of [1, 2, 3, 4, 8]) {
			const h = G.heap(Place, Count, rows, Hand), best = G.fitHeap(Place, Count, h.height, Hand);
			const even = Place !== 'thousands' && (Count > 19 || (Hand === 'drawn' && Count >= 10));
			const Fits = best ? best.height <= h.height + 1e-6 && (best.width <= h.width + 1e-6 || (even && rows % 2 === 1)) : even && rows === 1;
			out.push({ Place, Hand, Count, Fits, Spots: h.spots.map((s) => ({ X: s.x, Y: s.y })), Width: h.width, Height: h.height, Box: { Width: G.boxOf(Place, Hand).width, Height: G.boxOf(Place, Hand).height } });
		} return out; })()`)
	if len(heaps) < 800 {
		t.Fatalf("%d heaps, %v", len(heaps), g.Err())
	}
	for _, h := range heaps {
		name := fmt.Sprintf("%d %s, %s, %.1f high", h.Count, h.Place, h.Hand, h.Height)
		seen, wide, high := map[spot]bool{}, 0.0, 0.0
		for i, s := range h.Spots {
			if seen[s] {
				t.Errorf("%s: two pieces in one spot", name)
			}
			seen[s] = true
			wide, high = max(wide, s.X+h.Box.Width), max(high, s.Y+h.Box.Height)
			// Those of a five follow one another alike.
			if h.Place != "thousands" && i%5 > 1 {
				a, b := h.Spots[i-2], h.Spots[i-1]
				if math.Abs((s.X-b.X)-(b.X-a.X)) > 1e-6 || math.Abs((s.Y-b.Y)-(b.Y-a.Y)) > 1e-6 {
					t.Errorf("%s: piece %d is out of its five", name, i+1)
				}
			}
		}
		if len(h.Spots) != h.Count || math.Abs(wide-h.Width) > 1e-6 || math.Abs(high-h.Height) > 1e-6 {
			t.Errorf("%s: %d pieces in %.1f × %.1f", name, len(h.Spots), wide, high)
		}
		if !h.Fits {
			t.Errorf("%s: another heap fits and is narrower", name)
		}
	}
}

// One piece lies beside ten of the place below at the same length, also where the
// tenth is made of smaller ones.
func TestTenBesideOne(t *testing.T) {
	g := geometry(t)
	type match struct {
		One spot
		Ten []struct {
			Place string
			X, Y  float64
		}
		Width float64
		Big   box
	}
	size := sizes(g)
	for _, c := range []struct {
		from, to string
		pieces   int
		high     bool // the ten are as high as the one; a fan of squares is not
	}{{"tens", "ones", 10, true}, {"hundreds", "tens", 10, true}, {"thousands", "hundreds", 10, false}, {"hundreds", "ones", 19, true}, {"thousands", "ones", 28, false}} {
		m := guide.Read[match](g, fmt.Sprintf(`(() => { const G = Geometry, m = G.match(%q, %q), b = (p) => ({ Width: G.boxOf(p).width, Height: G.boxOf(p).height });
			return { One: { X: m.one.x, Y: m.one.y }, Ten: m.ten.map((s) => ({ Place: s.place, X: s.x, Y: s.y })), Width: m.width, Big: b(%q) }; })()`, c.from, c.to, c.from))
		if len(m.Ten) != c.pieces || m.Ten[len(m.Ten)-1].Place != c.to {
			t.Errorf("%s for %s: %d pieces, %v", c.from, c.to, len(m.Ten), g.Err())
			continue
		}
		top, bottom, left, right := math.Inf(1), 0.0, math.Inf(1), 0.0
		for _, s := range m.Ten {
			b := size[s.Place+"laid"]
			top, bottom, left, right = min(top, s.Y), max(bottom, s.Y+b.Height), min(left, s.X), max(right, s.X+b.Width)
		}
		if c.high && math.Abs(bottom-top-m.Big.Height) > 1e-6 {
			t.Errorf("%s for %s: the ten are %.2f high, the one %.2f", c.from, c.to, bottom-top, m.Big.Height)
		}
		if m.One.X < right && m.One.X+m.Big.Width > left {
			t.Errorf("%s for %s: they lie on one another", c.from, c.to)
		}
	}
}

// seen is how a lesson lies on a mat, as far as the laws ask.
type seen struct {
	Plan struct {
		Unit  float64
		Bands map[string]struct {
			X, Y, Width, Height float64
			Lanes               []struct {
				Place    string
				X, Width float64
			}
		}
	}
	Scenes []struct {
		Zones  []string
		Pieces []struct {
			ID, Place, Zone, Gone string
			X, Y                  float64
		}
		Swap *struct {
			One struct{ ID string }
			Ten []struct{ ID string }
		}
	}
}

// mat lays a problem out with a material on a mat of w × h px.
func mat(t *testing.T, g *guide.Guide, p problem.Problem, kind material.Kind, m trace.Method, w, h float64) (wire.Lesson, seen) {
	t.Helper()
	class := setting.Default()
	class.Order, class.Zeros, class.When = m.Order, m.Zeros, m.When
	l, err := lesson.New(lesson.Items("", p), kind, nil)
	if err != nil {
		t.Fatal(err)
	}
	view, err := l.Open(class.Words(), class.Method())
	if err != nil {
		t.Fatal(err)
	}
	link, err := wire.LinkOf(class, "x", l, view, nil, "")
	if err != nil {
		t.Fatal(err)
	}
	made := wire.LessonOf(class, link, 1, view, nil)
	for i := range made.Steps { // what is written is not asked for here
		made.Steps[i].Sheet.Marks, made.Steps[i].Says = nil, nil
	}
	text, err := json.Marshal(made)
	if err != nil {
		t.Fatal(err)
	}
	places := []string{"thousands", "hundreds", "tens", "ones"}
	for places[0] != made.Top {
		places = places[1:]
	}
	low, _ := json.Marshal(places)
	got := guide.Read[seen](g, fmt.Sprintf(`(() => { const { plan, scenes } = Geometry.mat(%s, %s, %q, %v, %v);
		const band = (b) => ({ X: b.x, Y: b.y, Width: b.width, Height: b.height, Lanes: b.lanes.map((l) => ({ Place: l.place, X: l.x, Width: l.width })) });
		return { Plan: { Unit: plan.unit, Bands: Object.fromEntries(Object.entries(plan.bands).map(([z, b]) => [z, band(b)])) },
			Scenes: scenes.map((s) => ({ Zones: s.zones, Pieces: s.pieces.map((p) => ({ ID: p.id, Place: p.place, Zone: p.zone, Gone: p.gone ?? '', X: p.x, Y: p.y })), Swap: s.swap && { One: { ID: s.swap.one.id }, Ten: s.swap.ten.map((p) => ({ ID: p.id })) } })) }; })()`, text, low, kind, w, h))
	if len(got.Scenes) != len(made.Steps) {
		t.Fatalf("%v: %d scenes for %d steps, %v", p, len(got.Scenes), len(made.Steps), g.Err())
	}
	return made, got
}

// The mats of the three sizes that are promised, in px.
var mats = [][2]float64{{760, 704}, {560, 672}, {768, 511}}

// sizes has the boxes of pieces in units.
func sizes(g *guide.Guide) map[string]box {
	return guide.Read[map[string]box](g, `Object.fromEntries(Geometry.PIECES.flatMap((p) => ['laid', 'drawn'].map((h) => [p + h, { Width: Geometry.boxOf(p, h).width, Height: Geometry.boxOf(p, h).height }])))`)
}

// Every piece of every step lies within its tray and in no other's spot, as many as
// the trace says, by every operation and method, with every material, at every size;
// the unit stays the same for the lesson.
func TestEveryPieceHasItsPlace(t *testing.T) {
	g := geometry(t)
	size := sizes(g)
	rng := rand.New(rand.NewPCG(6, 11))
	number := func(digits int) int { return rng.IntN(int(math.Pow10(digits))) }
	problems := []string{"4999+4999", "9005-4768", "5003-1264", "97/4", "8991/9", "1999+2999+3999", "4999+4000+1000", "899+798+789+897+988+799", "26*3", "999*9", "52:4", "95:9", "0+0", "7-7", "3/4", "1000-1", "8000/9"}
	for range 12 {
		a, b := number(4), number(4)
		problems = append(problems, fmt.Sprintf("%d-%d", max(a, b), min(a, b)), fmt.Sprintf("%d/%d", number(4), 2+rng.IntN(8)), fmt.Sprintf("%d+%d", number(4)/2, number(4)/2), fmt.Sprintf("%d:%d", number(2), 2+rng.IntN(8)), fmt.Sprintf("%d*%d", number(3), 2+rng.IntN(8)))
	}
	methods := []trace.Method{{}, {Order: trace.SwapsFirst, Zeros: trace.AsOne}, {When: trace.AfterColumn}, {Zeros: trace.AsOne}}
	for i, text := range problems {
		p, err := problem.Parse(text)
		if err != nil {
			t.Fatal(err)
		}
		kind, on := material.Kinds()[i%3], mats[(i/3)%3]
		if i < 17 { // the fullest and the emptiest at every size, with each material in turn
			on = mats[i%3]
			kind = material.Kinds()[(i/3)%3]
		}
		made, got := mat(t, g, p, kind, methods[i%len(methods)], on[0], on[1])
		hand := map[bool]string{true: "drawn", false: "laid"}[kind.Drawn()]
		for at, scene := range got.Scenes {
			step := made.Steps[at]
			name := fmt.Sprintf("%s with %s on %v, %s", text, kind, on, step.At)
			lifted, counts, spots := map[string]bool{}, map[string]int{}, map[string]bool{}
			if scene.Swap != nil {
				lifted[scene.Swap.One.ID] = true
				for _, ten := range scene.Swap.Ten {
					lifted[ten.ID] = true
				}
				if len(scene.Swap.Ten) < 10 {
					t.Errorf("%s: %d beside one", name, len(scene.Swap.Ten))
				}
			}
			for _, piece := range scene.Pieces {
				b := size[piece.Place+hand]
				lies := box{piece.X, piece.Y, b.Width * got.Plan.Unit, b.Height * got.Plan.Unit}
				band := got.Plan.Bands[piece.Zone]
				within := box{band.X, band.Y, band.Width, band.Height}
				if lifted[piece.ID] { // it lies beside what it is swapped for, or is still the store's
					within = box{0, 0, on[0], on[1]}
				} else if piece.Gone == "" {
					counts[piece.Zone+" "+piece.Place]++
				}
				if !within.holds(lies) {
					t.Fatalf("%s: %s lies at %.0f, %.0f, %.0f × %.0f, outside %s %.0f", name, piece.ID, lies.X, lies.Y, lies.Width, lies.Height, piece.Zone, within)
				}
				where := fmt.Sprintf("%.2f %.2f", piece.X, piece.Y)
				if spots[where] {
					t.Fatalf("%s: two pieces at %s", name, where)
				}
				spots[where] = true
			}
			for zone, piles := range step.Zones {
				for place, n := range piles {
					have := counts[zone+" "+place]
					if scene.Swap == nil && have != n && !(kind.Drawn() && zone == "taken") {
						t.Fatalf("%s: %d %s in %s, the trace says %d", name, have, place, zone, n)
					}
				}
			}
		}
	}
	if g.Err() != nil {
		t.Fatal(g.Err())
	}
}

// The fullest mat is still large enough to be counted: nine cubes and nineteen of
// all else, and 89 of a kind.
func TestTheFullestMatCanBeSeen(t *testing.T) {
	g := geometry(t)
	for _, c := range []struct {
		text  string
		kind  material.Kind
		on    int     // which of the mats
		least float64 // px that a bead has there
	}{
		{"4999+4999", material.Beads, 0, 6.5}, {"4999+4999+1", material.Blocks, 0, 4.8}, {"4999+4999+1", material.Drawings, 0, 8},
		{"9999-8999", material.Beads, 0, 4.5}, {"5003-1264", material.Blocks, 0, 5}, {"97/4", material.Beads, 0, 8}, {"8999/9", material.Blocks, 0, 2.4}, {"999*9", material.Beads, 0, 2}, {"899+798+789+897+988+799", material.Drawings, 0, 3.5},
		// A small number leaves its room to the others; three full ones stand side by side.
		{"4999+2", material.Beads, 2, 6}, {"4999+4999+1", material.Beads, 1, 4}, {"4999+4000+1000", material.Blocks, 2, 3},
	} {
		p, err := problem.Parse(c.text)
		if err != nil {
			t.Fatal(err)
		}
		if _, got := mat(t, g, p, c.kind, trace.Method{}, mats[c.on][0], mats[c.on][1]); got.Plan.Unit < c.least {
			t.Errorf("%s with %s: a bead is %.1f px", c.text, c.kind, got.Plan.Unit)
		}
	}
}

// Of two numbers that make less than a hundred a bead is 12 px and more, so that it is
// seen and touched.
func TestSmallNumbersAreLarge(t *testing.T) {
	g := geometry(t)
	rng := rand.New(rand.NewPCG(12, 99))
	for range 40 {
		a := place.Number(1 + rng.IntN(90))
		p := problem.SumOf(a, place.Number(1+rng.IntN(99-int(a))))
		if _, got := mat(t, g, p, material.Beads, trace.Method{}, mats[0][0], mats[0][1]); got.Plan.Unit < 12 {
			t.Errorf("%v: a bead is %.1f px", p, got.Plan.Unit)
		}
	}
	laptop, screen := 0.0, 0.0
	p := problem.SumOf(47, 25)
	_, got := mat(t, g, p, material.Beads, trace.Method{}, mats[0][0], mats[0][1])
	laptop = got.Plan.Unit
	_, got = mat(t, g, p, material.Beads, trace.Method{}, 1218, 984)
	if screen = got.Plan.Unit; screen < 1.3*laptop {
		t.Errorf("a bead of %.1f px on a laptop has %.1f on a large screen", laptop, screen)
	}
}

// Signs are drawn by a steady hand: the same each time, each hand a little otherwise,
// and never far from a ruled line.
func TestDrawnSigns(t *testing.T) {
	g := geometry(t)
	for _, place := range []string{"ones", "tens", "hundreds", "thousands"} {
		draw := fmt.Sprintf("Array.from({ length: Geometry.HANDS }, (_, k) => JSON.stringify(Geometry.sign(%q, k)))", place)
		first, again := guide.Read[[]string](g, draw), guide.Read[[]string](g, draw)
		if fmt.Sprint(first) != fmt.Sprint(again) || len(first) < 4 {
			t.Errorf("%s: not the same twice", place)
		}
		different := map[string]bool{}
		for _, sign := range first {
			different[sign] = true
		}
		if len(different) != len(first) {
			t.Errorf("%s: %d hands draw alike", place, len(first)-len(different)+1)
		}
	}
	far := guide.Read[float64](g, `(() => { let far = 0; const { width, height } = Geometry.boxOf('hundreds', 'drawn');
		for (let k = 0; k < Geometry.HANDS; k++) for (const pair of Geometry.sign('hundreds', k).strokes.match(/-?[\d.]+ -?[\d.]+/g)) {
			const [x, y] = pair.split(' ').map(Number);
			const edge = Math.min(Math.abs(x), Math.abs(y), Math.abs(x - width), Math.abs(y - height));
			far = Math.max(far, edge, -x, -y, x - width, y - height);
		} return far; })()`)
	if far <= 0 || far > 0.3 {
		t.Errorf("a stroke strays %.2f units from its line", far)
	}
	if up, down := guide.Read[string](g, "Geometry.cross(1, 5, 3)"), guide.Read[string](g, "Geometry.cross(1, 5, 3, true)"); up == down || !strings.HasPrefix(up, "M") {
		t.Errorf("taken and given are crossed out alike: %s", up)
	}
	if ring := guide.Read[string](g, "Geometry.loop(100, 40, 1.6, 5)"); ring != guide.Read[string](g, "Geometry.loop(100, 40, 1.6, 5)") || ring == guide.Read[string](g, "Geometry.loop(100, 40, 1.6, 6)") {
		t.Errorf("the ring %s is not its own", ring)
	}
}
