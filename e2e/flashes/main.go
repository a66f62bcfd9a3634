// Command flashes measures the class's window in a running demo: for how long a flash is really
// shown, by the frames of the browser, and how long after the guide's key the window has moved
// on: make flashes.
package main

import (
	"fmt"
	"os"
	"slices"
	"strings"
	"time"

	"github.com/chromedp/chromedp/kb"

	"vineswap/demo"
	"vineswap/e2e/guide"
	"vineswap/figures"
)

// flashed is how many flashes of each length are measured, steps how many keys.
const (
	flashed = 20
	steps   = 40
)

func main() {
	if len(os.Args) != 2 {
		fmt.Fprintln(os.Stderr, "usage: flashes ADDRESS")
		os.Exit(2)
	}
	text, err := measure(os.Args[1])
	if err == nil {
		fmt.Println(text)
		err = figures.Keep("make flashes", text)
	}
	if err != nil {
		fmt.Fprintln(os.Stderr, "flashes:", err)
		os.Exit(1)
	}
}

// noting keeps, in the window's page, when the flash came and went, each with the frame in which
// it was seen, and when the window came to another pace; times are those of the machine.
const noting = `(() => {
  const main = document.querySelector('[data-window]');
  window.lit = []; window.paced = [];
  if (window.noted) return true;
  window.noted = true;
  const now = (at) => performance.timeOrigin + at;
  new MutationObserver((changes) => {
    for (const c of changes) {
      if (c.attributeName === 'data-pace') window.paced.push(now(performance.now()));
      else requestAnimationFrame((at) => window.lit.push([main.dataset.flash, at]));
    }
  }).observe(main, { attributes: true, attributeFilter: ['data-flash', 'data-pace'] });
  return true;
})()`

func measure(address string) (string, error) {
	dir, err := os.MkdirTemp("", "vineswap-flashes-")
	if err != nil {
		return "", err
	}
	defer os.RemoveAll(dir)
	browser, stop, err := guide.Start(dir)
	if err != nil {
		return "", err
	}
	defer stop()
	g, leave := browser.Sit(1280, 800)
	defer leave()
	g.LogIn(address, demo.Logins()[0].Email, demo.Password).See("suggested for").Press("Openers").See("The class’s window").Press("Make a code for it").See("New code")
	code := guide.Read[string](g, "document.querySelector('.code').innerText")
	w, close := browser.Sit(1280, 720)
	defer close()
	w.Open(address+"/#/show/"+code).Holds("the window", "document.querySelector('[data-window] .rest, [data-window] .says')")

	var out strings.Builder
	fmt.Fprintf(&out, "%d flashes of each length, by the frames of a headless browser at 60 Hz:\n\n| asked for | shown for, least | middle | most |\n|---|---|---|---|\n", flashed)
	for _, tenths := range []int{5, 20} {
		shown, err := flashes(g, w, tenths)
		if err != nil {
			return "", err
		}
		fmt.Fprintf(&out, "| %d ms | %.1f ms | %.1f ms | %.1f ms |\n", 100*tenths, shown[0], shown[len(shown)/2], shown[len(shown)-1])
	}
	late, err := paces(g, w)
	if err != nil {
		return "", err
	}
	fmt.Fprintf(&out, "\nFrom the guide's key to the class's window, %d steps, two tabs of one browser: least %.0f ms, middle %.0f ms, most %.0f ms; asked for: at most 200 ms.\n", len(late), late[0], late[len(late)/2], late[len(late)-1])
	return out.String(), nil
}

// flashes shows a flash again and again, and returns for how long each was seen, in ms.
func flashes(g, w *guide.Guide, tenths int) ([]float64, error) {
	name := fmt.Sprint(float64(tenths) / 10)
	g.Press("Openers").See("Openers").Holds("an empty row", "(localStorage.length, [...Object.keys(localStorage)].filter((k) => k.startsWith('openers')).forEach((k) => localStorage.removeItem(k)), true)").Reload().See("A row is a few short openers")
	g.Press("flashes").See("What is shown").Press(name).LetGo().Key(" ").See("Show it, " + name + " s, once")
	w.Holds("covered", "document.querySelector('[data-covered]')").Holds("noted", noting)
	for n := range flashed {
		if n == 0 {
			g.Key(" ")
		} else {
			g.Key("s")
		}
		w.Holds("covered again", fmt.Sprintf("window.lit.length === %d", 2*(n+1)))
		time.Sleep(1100 * time.Millisecond) // it stays covered for a while
	}
	if g.Err() != nil {
		return nil, g.Err()
	}
	at := guide.Read[[]float64](w, "window.lit.map((x) => x[1])")
	if w.Err() != nil {
		return nil, w.Err()
	}
	var shown []float64
	for i := 0; i+1 < len(at); i += 2 {
		shown = append(shown, at[i+1]-at[i])
	}
	slices.Sort(shown)
	return shown, nil
}

// paces steps from pace to pace and back, and returns how long after each key the window was
// there, in ms.
func paces(g, w *guide.Guide) ([]float64, error) {
	g.Holds("keys are noted", "(window.keyed = [], window.addEventListener('keydown', () => window.keyed.push(performance.timeOrigin + performance.now()), true), true)")
	w.Holds("noted", noting)
	for n := range steps {
		g.Key([]string{" ", kb.Backspace}[n%2])
		w.Holds("there", fmt.Sprintf("window.paced.length >= %d", n+1))
	}
	keyed, paced := guide.Read[[]float64](g, "window.keyed"), guide.Read[[]float64](w, "window.paced")
	if g.Err() != nil {
		return nil, g.Err()
	}
	if w.Err() != nil {
		return nil, w.Err()
	}
	late := make([]float64, min(len(keyed), len(paced)))
	for i := range late {
		late[i] = paced[i] - keyed[i]
	}
	slices.Sort(late)
	return late, nil
}
