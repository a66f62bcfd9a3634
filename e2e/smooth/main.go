// Command smooth measures how a full mat steps in a slow browser: make smooth. It
// walks through a lesson with 9, 19, 19 and 19 pieces in a running demo with the
// processor slowed down, and prints frames and script beside an empty page's.
package main

import (
	"fmt"
	"os"
	"slices"
	"time"

	"vineswap/demo"
	"vineswap/e2e/guide"
)

// slower is how many times slower than this machine the browser is made.
const slower = 4

// watched is how long the frames after a step are watched: as long as pieces travel.
const watched = 600 * time.Millisecond

// problem fills the mat: 9 thousands, 19 hundreds, 19 tens, 19 ones.
const problem = "4999+4999+1"

func main() {
	if len(os.Args) != 2 {
		fmt.Fprintln(os.Stderr, "usage: smooth ADDRESS")
		os.Exit(2)
	}
	if err := smooth(os.Args[1]); err != nil {
		fmt.Fprintln(os.Stderr, "smooth:", err)
		os.Exit(1)
	}
}

// step is what one step cost.
type step struct {
	at      string
	pieces  int
	script  float64 // ms from the key until the page has taken in the new state
	after   float64 // ms that all scripts ran while it was watched, the watching with them
	layout  float64 // ms of styles and layout
	frames  int
	seconds float64 // from the first frame to the last
	longest float64 // ms between two frames
}

func (s step) rate() float64 { return float64(s.frames) / max(s.seconds, 1e-9) }

func smooth(address string) error {
	g, stop, err := guide.Alone(1280, 800)
	if err != nil {
		return err
	}
	defer stop()

	fmt.Printf("%d times slower, %v watched after each step, 1280×800, headless\n\n", slower, watched)
	g.Open("about:blank").Slow(slower)
	var empty []step
	for range 20 {
		empty = append(empty, watch(g, "undefined"))
	}
	report("an empty page", empty)
	g.Slow(1).LogIn(address, demo.Logins()[0].Email, demo.Password).See("could be next")
	for _, material := range []string{"beads", "blocks", "drawings"} {
		report("a full mat of "+material, walk(g, address, material))
	}
	return g.Err()
}

// walk opens the lesson with a material and steps through it.
func walk(g *guide.Guide, address, material string) []step {
	g.Slow(1).Press("Numbers").See("Twelve of them").Write("Numbers of your own", problem).Press("Look").See("Fullest moment").Press("Gather").See("Who comes?").Press("done").Press("To the mat").See("About how much").Press("Lay out").See("trays").Press(material).Settle().LetGo()
	g.Slow(slower)
	var steps []step
	for g.Err() == nil && !guide.Read[bool](g, "!!document.querySelector('[data-last]')") {
		steps = append(steps, watch(g, "document.body.dispatchEvent(new KeyboardEvent('keydown', { key: ' ', bubbles: true }))"))
	}
	return steps
}

// watch counts the frames and the time spent after something is done in the page.
// The script of a step lasts until the page has taken in the new state.
func watch(g *guide.Guide, do string) step {
	guide.Read[bool](g, `(() => {
		const frames = [];
		window.watched = frames;
		const frame = (now) => { frames.push(now); if (window.watched === frames) requestAnimationFrame(frame); };
		requestAnimationFrame(frame);
		return true;
	})()`)
	before := g.Spent()
	guide.Read[bool](g, `(() => {
		window.cost = undefined;
		const begun = performance.now();
		`+do+`;
		Promise.resolve().then(() => Promise.resolve()).then(() => { window.cost = performance.now() - begun; });
		return true;
	})()`)
	time.Sleep(watched)
	after := g.Spent()
	frames := guide.Read[[]float64](g, "(() => { const f = window.watched; window.watched = undefined; return f; })()")
	spent := func(names ...string) (ms float64) {
		for _, name := range names {
			ms += 1000 * (after[name] - before[name])
		}
		return ms
	}
	s := step{script: guide.Read[float64](g, "window.cost ?? -1"), after: spent("ScriptDuration"), layout: spent("LayoutDuration", "RecalcStyleDuration"), frames: len(frames) - 1}
	for i := 1; i < len(frames); i++ {
		s.longest = max(s.longest, frames[i]-frames[i-1])
	}
	if len(frames) > 1 {
		s.seconds = (frames[len(frames)-1] - frames[0]) / 1000
	}
	s.at = guide.Read[string](g, "document.querySelector('[data-step]')?.dataset.step ?? ''")
	s.pieces = guide.Read[int](g, "document.querySelectorAll('svg.piece').length")
	return s
}

func report(name string, steps []step) {
	fmt.Printf("%s, %d steps\n", name, len(steps))
	if len(steps) == 0 {
		return
	}
	by := func(what func(step) float64) []float64 {
		var all []float64
		for _, s := range steps {
			all = append(all, what(s))
		}
		slices.Sort(all)
		return all
	}
	line := func(label, unit string, all []float64) {
		fmt.Printf("  %-29s least %6.1f   median %6.1f   most %6.1f %s\n", label, all[0], all[len(all)/2], all[len(all)-1], unit)
	}
	line("frames a second", "", by(step.rate))
	line("longest frame", "ms", by(func(s step) float64 { return s.longest }))
	line("script of a step", "ms", by(func(s step) float64 { return s.script }))
	line("all script, and the watching", "ms", by(func(s step) float64 { return s.after }))
	line("style and layout of a step", "ms", by(func(s step) float64 { return s.layout }))
	for _, worst := range []func(step) float64{func(s step) float64 { return s.script }, func(s step) float64 { return s.layout }} {
		slices.SortFunc(steps, func(a, b step) int { return int(worst(b)*100) - int(worst(a)*100) })
		for _, s := range steps[:min(3, len(steps))] {
			if s.at != "" {
				fmt.Printf("    %s: %d pieces, script %.1f ms, style and layout %.1f ms, longest frame %.1f ms\n", s.at, s.pieces, s.script, s.layout, s.longest)
			}
		}
	}
	fmt.Println()
}
