// Command smooth measures how a full mat steps in a slow browser: make smooth. It
// walks through a lesson with 9, 19, 19 and 19 pieces in a running demo with the
// processor slowed down, more than once, and prints frames and script beside an empty
// page's; then through a snake of ten bars.
package main

import (
	"cmp"
	"fmt"
	"os"
	"slices"
	"time"

	"vineswap/demo"
	"vineswap/e2e/guide"
)

// slower is how many times slower than this machine the browser is made.
const slower = 4

// frame is how long a frame lasts, in ms.
const frame = 1000. / 60

// watched is how long the frames after a step are watched: as long as pieces travel.
const watched = 600 * time.Millisecond

// walks is how often each lesson is walked through: a step's figures are the middle
// ones, since a machine has other things to do as well.
const walks = 3

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
	script  float64 // ms from the key until the page has taken in the new state
	busiest float64 // ms of script in the busiest frame, what the key did among it
	layout  float64 // ms of styles and layout
	frames  int
	seconds float64 // from the first frame to the last
	longest float64 // ms between two frames
	moving  float64 // ms between two frames of the pieces on their way
}

func (s step) rate() float64 { return float64(s.frames) / max(s.seconds, 1e-9) }

func smooth(address string) error {
	g, stop, err := guide.Alone(1280, 800)
	if err != nil {
		return err
	}
	defer stop()

	fmt.Printf("%d times slower, %v watched after each step, the middle of %d walks, 1280×800, headless\n\n", slower, watched, walks)
	g.Open("about:blank").Slow(slower)
	var empty [][]step
	for range walks {
		var walked []step
		for range 20 {
			walked = append(walked, watch(g, "undefined"))
		}
		empty = append(empty, walked)
	}
	report("an empty page", empty)
	g.Slow(1).LogIn(address, demo.Logins()[0].Email, demo.Password).See("suggested for")
	for _, material := range []string{"beads", "blocks", "drawings"} {
		walked := walk(g, address, material)
		if g.Err() != nil {
			return g.Err()
		}
		report("a full mat of "+material, walked)
	}
	walked := walkSnake(g)
	if g.Err() == nil {
		report("a snake of ten bars", [][]step{walked})
	}
	return g.Err()
}

// walkSnake steps once through a snake of ten bars, which has many more steps than a problem.
func walkSnake(g *guide.Guide) (steps []step) {
	g.Slow(1).Press("Numbers").Holds("the boards", "document.querySelector('#own')").Press("Snakes").See("bars in a snake").Settle().Write("Bars of your own", "5,2,8,8,5,6,3,9,4,7").Press("Look").See("fifty-seven").Press("Gather").See("Who comes?").Press("done").Press("To the mat").Holds("on the mat", "document.querySelector('[data-snake]')").Settle().LetGo()
	g.Slow(slower)
	for g.Err() == nil && !guide.Read[bool](g, "!!document.querySelector('[data-last]')") {
		steps = append(steps, watch(g, "document.body.dispatchEvent(new KeyboardEvent('keydown', { key: ' ', bubbles: true }))"))
	}
	return steps
}

// walk opens the lesson with a material and steps through it, again and again.
func walk(g *guide.Guide, address, material string) [][]step {
	g.Slow(1).Press("Numbers").See("Twelve of them").Write("Numbers of your own", problem).Press("Look").See("Most pieces at once").Press("Gather").See("Who comes?").Press("done").Press("To the mat").See("About how much").Press("Lay out").See("trays").Press(material).Settle()
	var all [][]step
	for range walks {
		g.Slow(1).Press("Go to build").Settle().LetGo()
		g.Slow(slower)
		var steps []step
		for g.Err() == nil && !guide.Read[bool](g, "!!document.querySelector('[data-last]')") {
			steps = append(steps, watch(g, "document.body.dispatchEvent(new KeyboardEvent('keydown', { key: ' ', bubbles: true }))"))
		}
		all = append(all, steps)
	}
	return all
}

// watch counts the frames and the time spent after something is done in the page.
// The script of a step lasts until the page has taken in the new state; what it leaves
// to the frames that follow is counted with the frame.
func watch(g *guide.Guide, do string) step {
	guide.Read[bool](g, `(() => {
		const [frames, spent] = [[], [0]];
		const next = (window.asks ??= requestAnimationFrame.bind(window));
		window.watched = { frames, spent };
		window.requestAnimationFrame = (what) => next((now) => {
			const begun = performance.now();
			what(now);
			// The state that it has set is taken in before this.
			Promise.resolve().then(() => Promise.resolve()).then(() => (spent[spent.length - 1] += performance.now() - begun));
		});
		const frame = (now) => {
			frames.push(now);
			if (frames.length > 1) spent.push(0);
			if (window.watched?.frames === frames) next(frame);
		};
		next(frame);
		return true;
	})()`)
	before := g.Spent()
	guide.Read[bool](g, `(() => {
		window.cost = undefined;
		const { spent } = window.watched;
		const begun = performance.now();
		`+do+`;
		Promise.resolve().then(() => Promise.resolve()).then(() => {
			window.cost = performance.now() - begun;
			spent[spent.length - 1] += window.cost;
		});
		return true;
	})()`)
	time.Sleep(watched)
	after := g.Spent()
	type seen struct {
		Frames, Spent []float64
		Cost          float64
	}
	saw := guide.Read[seen](g, "(() => { const { frames, spent } = window.watched; window.watched = undefined; return { frames, spent, cost: window.cost ?? -1 }; })()")
	s := step{script: saw.Cost, busiest: slices.Max(saw.Spent), frames: len(saw.Frames) - 1}
	for _, name := range []string{"LayoutDuration", "RecalcStyleDuration"} {
		s.layout += 1000 * (after[name] - before[name])
	}
	for i := 1; i < len(saw.Frames); i++ {
		s.longest = max(s.longest, saw.Frames[i]-saw.Frames[i-1])
	}
	if len(saw.Frames) > 1 {
		s.seconds = (saw.Frames[len(saw.Frames)-1] - saw.Frames[0]) / 1000
	}
	s.at = guide.Read[string](g, "document.querySelector('[data-step]')?.dataset.step ?? ''")
	s.moving = guide.Read[float64](g, "Number(document.querySelector('[data-pieces]')?.dataset.longest ?? 0)")
	return s
}

// report prints the middle of the walks for every step: the least, the median and the
// most of the steps, and the worst single one of all walks.
func report(name string, walked [][]step) {
	kept := 0
	for i := range walked[0] {
		var longest []float64
		for _, steps := range walked {
			longest = append(longest, steps[i].longest)
		}
		if slices.Sort(longest); longest[len(longest)/2] < 1.5*frame {
			kept++
		}
	}
	fmt.Printf("%s, %d steps, %d without a lost frame\n", name, len(walked[0]), kept)
	line := func(label, unit string, of func(step) float64, worst func(a, b float64) float64) {
		var middle []float64
		single := of(walked[0][0])
		for i := range walked[0] {
			var same []float64
			for _, steps := range walked {
				same = append(same, of(steps[i]))
				single = worst(single, of(steps[i]))
			}
			slices.Sort(same)
			middle = append(middle, same[len(same)/2])
		}
		order := make([]int, len(middle))
		for i := range order {
			order[i] = i
		}
		slices.SortStableFunc(order, func(a, b int) int { return cmp.Compare(middle[a], middle[b]) })
		at := func(i int) float64 { return middle[order[i]] }
		last := len(order) - 1
		extreme := walked[0][order[last]]
		if worst(0, 1) == 0 {
			extreme = walked[0][order[0]]
		}
		fmt.Printf("  %-28s least %6.1f   median %6.1f   most %6.1f   single %6.1f %-3s %s\n", label, at(0), at(last/2), at(last), single, unit, extreme.at)
	}
	most := func(a, b float64) float64 { return max(a, b) }
	least := func(a, b float64) float64 { return min(a, b) }
	line("frames a second", "", step.rate, least)
	line("longest frame", "ms", func(s step) float64 { return s.longest }, most)
	line("longest frame of the pieces", "ms", func(s step) float64 { return s.moving }, most)
	line("script of a step", "ms", func(s step) float64 { return s.script }, most)
	line("script in the busiest frame", "ms", func(s step) float64 { return s.busiest }, most)
	line("style and layout of a step", "ms", func(s step) float64 { return s.layout }, most)
	fmt.Println()
}
