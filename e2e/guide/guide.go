// Package guide drives the running application in headless Chromium as a
// teacher does: one small verb for each thing that a hand or an eye does.
package guide

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"os"
	"os/exec"
	"strings"
	"sync"
	"time"

	"github.com/chromedp/cdproto/cdp"
	"github.com/chromedp/cdproto/emulation"
	"github.com/chromedp/cdproto/input"
	"github.com/chromedp/cdproto/log"
	"github.com/chromedp/cdproto/page"
	"github.com/chromedp/cdproto/performance"
	"github.com/chromedp/cdproto/runtime"
	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"
)

// patience is how long a verb waits for what it looks for.
const patience = 10 * time.Second

// Browser is a headless Chromium.
type Browser struct{ ctx context.Context }

// light is Debian's Chromium without windows: it takes a quarter less work than the whole.
const light = "chromium-headless-shell"

// Start starts Chromium with its temporary files in dir; stop ends it. It
// reaches nothing but 127.0.0.1.
func Start(dir string) (b *Browser, stop func(), err error) {
	opts := append(chromedp.DefaultExecAllocatorOptions[:],
		chromedp.DisableGPU,
		chromedp.Flag("disable-quic", true),
		chromedp.Flag("disable-component-update", true),
		chromedp.Flag("no-proxy-server", true),
		chromedp.Flag("host-resolver-rules", "MAP * ~NOTFOUND , EXCLUDE 127.0.0.1"),
		chromedp.Env("TMPDIR="+dir),
	)
	if os.Getuid() == 0 {
		opts = append(opts, chromedp.NoSandbox)
	}
	if path, err := exec.LookPath(light); err == nil {
		opts = append(opts, chromedp.ExecPath(path))
	}
	alloc, stopAlloc := chromedp.NewExecAllocator(context.Background(), opts...)
	ctx, stopCtx := chromedp.NewContext(alloc)
	stop = func() {
		stopCtx()
		stopAlloc()
	}
	if err := chromedp.Do(ctx); err != nil {
		stop()
		return nil, nil, fmt.Errorf("starting Chromium (Debian: apt-get install "+light+"): %w", err)
	}
	return &Browser{ctx}, stop, nil
}

// Alone is a guide at a tab of a browser of its own, for a command; stop ends both.
func Alone(width, height int64) (g *Guide, stop func(), err error) {
	dir, err := os.MkdirTemp("", "vineswap-guide-")
	if err != nil {
		return nil, nil, err
	}
	browser, end, err := Start(dir)
	if err != nil {
		os.RemoveAll(dir)
		return nil, nil, err
	}
	g, leave := browser.Sit(width, height)
	return g, func() {
		leave()
		end()
		os.RemoveAll(dir)
	}, nil
}

// Guide is somebody in front of one tab. The first thing that fails is kept;
// whatever is asked afterwards does nothing.
type Guide struct {
	ctx  context.Context
	done []string
	err  error
	more []chromedp.EmulateViewportOption

	mu        sync.Mutex
	grumbling []string
}

// Sit opens a tab of the given size in px, with cookies of its own as on
// another machine; leave closes it.
func (b *Browser) Sit(width, height int64) (g *Guide, leave func()) {
	ctx, stop := chromedp.NewContext(b.ctx, chromedp.WithNewBrowserContext())
	g = &Guide{ctx: ctx}
	g.listen()
	g.do("sit down", chromedp.EmulateViewport(width, height))
	return g, stop
}

// listen collects what the page complains of: scripts that fail, and what the
// content security policy holds back.
func (g *Guide) listen() {
	thrown := chromedp.Events(g.ctx, runtime.ExceptionThrown)
	logged := chromedp.Events(g.ctx, log.EntryAdded)
	go func() {
		for e, err := range thrown {
			if err != nil {
				return
			}
			said := e.ExceptionDetails.Text
			if x := e.ExceptionDetails.Exception; x != nil {
				said += " " + x.Description
			}
			g.grumble("a script failed: " + said)
		}
	}()
	go func() {
		for e, err := range logged {
			if err != nil {
				return
			}
			// Warnings are for developers: axe looks into what is hidden, and is warned.
			if e.Entry.Level == log.EntryLevelError && (e.Entry.Source == log.EntrySourceSecurity || e.Entry.Source == log.EntrySourceJavascript) {
				g.grumble(e.Entry.Text)
			}
		}
	}()
	_, err := chromedp.Call(g.ctx, log.Enable, cdp.Empty{})
	g.fail("listen", err)
}

func (g *Guide) grumble(text string) {
	g.mu.Lock()
	defer g.mu.Unlock()
	g.grumbling = append(g.grumbling, text)
}

// Grumbles is what the page has complained of so far.
func (g *Guide) Grumbles() []string {
	g.mu.Lock()
	defer g.mu.Unlock()
	return append([]string{}, g.grumbling...)
}

// Err is the first thing that failed, with what was done before.
func (g *Guide) Err() error { return g.err }

func (g *Guide) fail(what string, err error) {
	if g.err == nil && err != nil {
		g.err = fmt.Errorf("%s: %w (after %s)", what, err, strings.Join(g.done[max(0, len(g.done)-5):], ", "))
	}
}

func (g *Guide) do(what string, steps ...chromedp.Action[chromedp.Void]) {
	if g.err != nil {
		return
	}
	g.fail(what, chromedp.Do(g.ctx, steps...))
	g.done = append(g.done, what)
}

// Turn changes the size of the tab, as when a tablet is turned.
func (g *Guide) Turn(width, height int64) *Guide {
	g.do("turn", chromedp.EmulateViewport(width, height, g.more...))
	return g
}

// Coarse gives the tab a screen with a quarter of the dots: what lies where is the same,
// and painting it costs less.
func (g *Guide) Coarse() *Guide {
	g.more = []chromedp.EmulateViewportOption{chromedp.EmulateScale(.5)}
	return g
}

// LessMotion asks the page for less motion, as a setting of the device does.
func (g *Guide) LessMotion() *Guide {
	return g.Media("prefers-reduced-motion", "reduce")
}

// Before runs a script in every page of the tab before the page's own.
func (g *Guide) Before(script string) *Guide {
	_, err := chromedp.Call(g.ctx, page.AddScriptToEvaluateOnNewDocument, page.AddScriptToEvaluateOnNewDocumentParams{Source: script})
	g.fail("before", err)
	return g
}

// Slow makes the tab's processor so many times slower.
func (g *Guide) Slow(times float64) *Guide {
	_, err := chromedp.Call(g.ctx, emulation.SetCPUThrottlingRate, emulation.SetCPUThrottlingRateParams{Rate: times})
	g.fail("slow", err)
	return g
}

// Media asks the page for a feature of its medium, as a setting of the device does:
// "forced-colors" to be "active".
func (g *Guide) Media(feature, value string) *Guide {
	_, err := chromedp.Call(g.ctx, emulation.SetEmulatedMedia, emulation.SetEmulatedMediaParams{
		Features: []*emulation.MediaFeature{{Name: feature, Value: value}},
	})
	g.fail(feature, err)
	return g
}

// Spent is what the tab has spent so far, in seconds, by name: "ScriptDuration",
// "LayoutDuration", "RecalcStyleDuration", "TaskDuration".
func (g *Guide) Spent() map[string]float64 {
	out := map[string]float64{}
	if g.err != nil {
		return out
	}
	if _, err := chromedp.Call(g.ctx, performance.Enable, performance.EnableParams{}); err != nil {
		g.fail("metrics", err)
		return out
	}
	got, err := chromedp.Call(g.ctx, performance.GetMetrics, cdp.Empty{})
	if err != nil {
		g.fail("metrics", err)
		return out
	}
	for _, m := range got.Metrics {
		out[m.Name] = m.Value
	}
	return out
}

// Open goes to an address.
func (g *Guide) Open(url string) *Guide {
	g.do("open "+url, chromedp.Navigate(url))
	return g
}

// Reload loads the page again.
func (g *Guide) Reload() *Guide {
	g.do("reload", chromedp.Reload())
	return g
}

// slice is how long the page itself looks before it is asked again: a new page forgets what
// the last one was asked.
const slice = time.Second

// until waits for an expression to be truthy. The page looks by itself, so that little goes
// to and fro.
func (g *Guide) until(what, expression string) {
	if g.err != nil {
		return
	}
	look := fmt.Sprintf(`(async () => {
  const end = performance.now() + %d;
  for (;;) {
    if (%s) return true;
    if (performance.now() > end) return false;
    await new Promise((go) => setTimeout(go, 20));
  }
})()`, slice.Milliseconds(), expression)
	deadline := time.Now().Add(patience)
	for {
		yes, err := chromedp.Run(g.ctx, chromedp.Evaluate[bool](look, chromedp.EvalAwaitPromise))
		if err == nil && yes {
			g.done = append(g.done, what)
			return
		}
		if time.Now().After(deadline) {
			g.fail(what, errors.Join(errors.New("it did not come; the page says: "+g.text()), err))
			return
		}
		if err != nil {
			time.Sleep(25 * time.Millisecond)
		}
	}
}

func (g *Guide) text() string {
	text, _ := chromedp.Run(g.ctx, chromedp.Evaluate[string]("document.body.innerText.replace(/\\s+/g, ' ').slice(0, 700)"))
	return text
}

func quoted(text string) string {
	out, _ := json.Marshal(text)
	return string(out)
}

// named finds a control that can be seen by the beginning of its accessible
// name, exact names first.
const named = `((name) => {
  const seen = (e) => e.checkVisibility() && e.getBoundingClientRect().width > 0;
  const label = (e) => (e.getAttribute('aria-label') ?? e.innerText ?? '').replace(/\s+/g, ' ').trim();
  const all = [...document.querySelectorAll('button, [role=button], a, [role=radio], [role=checkbox], [role=tab], [role=gridcell], label, summary')].filter(seen);
  return all.find((e) => label(e) === name) ?? all.find((e) => label(e).startsWith(name));
})`

// touched is where a control is touched: in its middle, or that of the name beside it;
// nothing where it cannot act, or something lies over it.
const touched = `((e) => {
  if (!e || e.disabled) return;
  e.scrollIntoView({ block: 'nearest' });
  for (const part of [e, ...e.querySelectorAll('.name')]) {
    const r = part.getBoundingClientRect(), x = r.x + r.width / 2, y = r.y + r.height / 2;
    const hit = document.elementFromPoint(x, y);
    if (e === hit || e.contains(hit)) return [x, y];
  }
})`

// aimed takes note of what the next touch hits: window.hit is told whether it is the control
// with this name. A touch that hits another thing, as the page was made anew after its spot was
// read, comes to nothing.
const aimed = `((name) => {
  const e = %[1]s(name), at = %[2]s(e);
  if (!at) return [];
  window.letGo?.(); // of a touch that never came
  window.hit = undefined;
  const types = ['pointerdown', 'mousedown', 'pointerup', 'mouseup', 'click'];
  const look = (event) => {
    window.hit ??= e.contains(event.target);
    if (!window.hit) (event.preventDefault(), event.stopImmediatePropagation());
    if (event.type === 'mouseup') setTimeout(letGo);
  };
  const letGo = () => types.forEach((t) => window.removeEventListener(t, look, true));
  window.letGo = letGo;
  types.forEach((t) => window.addEventListener(t, look, true));
  return at;
})`

// Press touches the control with this name in its middle; it must be able to
// act, and nothing may lie over it.
func (g *Guide) Press(name string) *Guide {
	spot := fmt.Sprintf("%s(%s(%s))", touched, named, quoted(name))
	aim := fmt.Sprintf(aimed+"(%[3]s)", named, touched, quoted(name))
	for deadline := time.Now().Add(patience); ; {
		g.until("press "+name, spot)
		if g.err != nil {
			return g
		}
		at, err := chromedp.Run(g.ctx, chromedp.Evaluate[[]float64](aim))
		if err == nil && len(at) == 2 {
			g.do("press "+name, chromedp.MouseClickXY(at[0], at[1]))
			// a page that has gone with the touch knows of no hit
			missed, err := chromedp.Run(g.ctx, chromedp.Evaluate[bool]("window.hit === false"))
			if err != nil || !missed {
				return g
			}
		}
		if time.Now().After(deadline) { // what was there a moment ago is made anew again and again
			g.fail("press "+name, errors.Join(errors.New("it has gone"), err))
			return g
		}
	}
}

// Drag takes the control of one name with the mouse to the control of another, and lets it go.
func (g *Guide) Drag(from, to string) *Guide {
	var spots [2][]float64
	for i, name := range []string{from, to} {
		spot := fmt.Sprintf("%s(%s(%s))", touched, named, quoted(name))
		g.until("drag "+name, spot)
		if g.err != nil {
			return g
		}
		at, err := chromedp.Run(g.ctx, chromedp.Evaluate[[]float64](spot))
		g.fail("drag "+name, err)
		spots[i] = at
	}
	if g.err == nil {
		g.do("drag "+from, chromedp.DragAndDropXY(spots[0][0], spots[0][1], spots[1][0], spots[1][1]))
	}
	return g
}

// Write types into the field with this label, instead of what is there.
func (g *Guide) Write(label, text string) *Guide {
	field := fmt.Sprintf(`[...document.querySelectorAll('label')].find((l) => l.innerText.trim() === %s)?.control`, quoted(label))
	g.until("write in "+label, field)
	g.until("write in "+label, fmt.Sprintf("(() => { const f = %s; f.focus(); f.select(); return true })()", field))
	g.do("write "+label, chromedp.KeyEvent(text))
	return g
}

// Key presses keys with nothing else in between: text, or names such as
// kb.Enter.
func (g *Guide) Key(keys ...string) *Guide {
	for _, k := range keys {
		g.do(fmt.Sprintf("key %q", k), chromedp.KeyEvent(k))
	}
	return g
}

// HoldDown holds a key down until it has come so many times, as a keyboard
// repeats it, and lets it go.
func (g *Guide) HoldDown(key rune, times int) *Guide {
	var down, up []input.DispatchKeyEventParams
	for _, k := range kb.Encode(key) {
		if k.Type == kb.KeyUp {
			up = append(up, *k)
		} else {
			down = append(down, *k)
		}
	}
	for n := range times {
		for _, k := range down {
			if again := n > 0; again {
				k.AutoRepeat = &again
			}
			g.send(k)
		}
	}
	for _, k := range up {
		g.send(k)
	}
	return g
}

func (g *Guide) send(k input.DispatchKeyEventParams) {
	if g.err != nil {
		return
	}
	_, err := chromedp.Call(g.ctx, input.DispatchKeyEvent, k)
	g.fail("key "+k.Key, err)
}

// TabTo presses the tab key until the control with this name has the focus.
func (g *Guide) TabTo(name string) *Guide {
	for range 90 {
		if g.err != nil {
			return g
		}
		at, err := chromedp.Run(g.ctx, chromedp.Evaluate[bool](fmt.Sprintf(`(() => {
			const e = document.activeElement;
			const name = (e?.getAttribute('aria-label') ?? e?.labels?.[0]?.innerText ?? e?.innerText ?? '').replace(/\s+/g, ' ').trim();
			return e !== document.body && name.startsWith(%s);
		})()`, quoted(name))))
		if err != nil {
			g.fail("tab to "+name, err)
			return g
		}
		if at {
			g.done = append(g.done, "tab to "+name)
			return g
		}
		g.do("tab", chromedp.KeyEvent(kb.Tab))
	}
	g.fail("tab to "+name, errors.New("the keys do not reach it; the page says: "+g.text()))
	return g
}

// LetGo takes the focus from every control.
func (g *Guide) LetGo() *Guide {
	g.do("let go", chromedp.Evaluate[chromedp.Void]("document.activeElement?.blur()"))
	return g
}

// See waits until the words can be read on the page.
func (g *Guide) See(words string) *Guide {
	g.until("see "+words, fmt.Sprintf("document.body.innerText.replace(/\\s+/g, ' ').includes(%s)", quoted(words)))
	return g
}

// Holds waits until a JavaScript expression about the page is true.
func (g *Guide) Holds(what, expression string) *Guide {
	g.until(what, expression)
	return g
}

// Read returns the value of an expression about the page; the zero value once
// something failed.
func Read[T any](g *Guide, expression string) T {
	var none T
	if g.err != nil {
		return none
	}
	got, err := chromedp.Run(g.ctx, chromedp.Evaluate[T](expression))
	g.fail("read "+expression, err)
	return got
}

// LogIn logs in at an address.
func (g *Guide) LogIn(url, email, password string) *Guide {
	return g.Open(url).Write("Email", email).Write("Password", password).Press("Log in").See("Today")
}

// Settle waits until what moves has come to rest, what was asked for has come and all is saved.
func (g *Guide) Settle() *Guide {
	g.Holds("rest", atRest)
	return g
}

// atRest is whether the fonts are there, nothing is awaited, all is saved and nothing moves.
const atRest = `(document.fonts.status === 'loaded' && !document.querySelector('[aria-busy=true]') && document.querySelector('.saved')?.innerText !== 'Saving' &&
  document.getAnimations().every((a) => a.playState !== 'running') && [...document.querySelectorAll('[data-pieces]')].every((c) => c.dataset.under === '0'))`

// Turned gives the window another size and waits, in the page, until all is laid out anew
// and has come to rest.
func (g *Guide) Turned(width, height int64) *Guide {
	g.Turn(width, height)
	if g.err != nil {
		return g
	}
	_, err := chromedp.Run(g.ctx, chromedp.Evaluate[bool](`(async () => {
  const frame = () => new Promise((go) => requestAnimationFrame(go));
  for (let frames = 0; frames < 3; frames++) await frame();
  for (let tries = 0; tries < 300 && !`+atRest+`; tries++) await frame();
  return `+atRest+`;
})()`, chromedp.EvalAwaitPromise))
	g.fail("turned", err)
	return g
}

// Print prints the page, as a browser does, and returns the PDF.
func (g *Guide) Print() []byte {
	if g.err != nil {
		return nil
	}
	data, err := chromedp.Run(g.ctx, chromedp.PrintToPDF(chromedp.PDFPreferCSSPageSize(), chromedp.PDFPrintBackground()))
	g.fail("print", err)
	return data
}

// Picture writes a PNG of what is seen.
func (g *Guide) Picture(path string) *Guide {
	g.Settle()
	if g.err != nil {
		return g
	}
	png, err := chromedp.Run(g.ctx, chromedp.CaptureScreenshot())
	if err == nil {
		err = os.WriteFile(path, png, 0o644)
	}
	g.fail("picture", err)
	return g
}

// Violation is something that axe-core finds.
type Violation struct {
	ID     string   `json:"id"`
	Impact string   `json:"impact"`
	Help   string   `json:"help"`
	Where  []string `json:"where"`
}

// Axe runs axe-core, given as its source, and returns what is serious or
// critical.
func (g *Guide) Axe(source string) []Violation {
	g.Settle()
	if g.err != nil {
		return nil
	}
	if err := chromedp.Do(g.ctx, chromedp.Evaluate[chromedp.Void](source+";0")); err != nil {
		g.fail("load axe", err)
		return nil
	}
	g.do("axe", chromedp.Evaluate[chromedp.Void](`window.__axe = undefined; axe.run(document, { resultTypes: ['violations'], iframes: false }).then((r) => {
		window.__axe = JSON.stringify(r.violations.filter((v) => v.impact === 'serious' || v.impact === 'critical')
			.map((v) => ({ id: v.id, impact: v.impact, help: v.help, where: v.nodes.map((n) => n.html.slice(0, 160)) })));
	}, (e) => { window.__axe = JSON.stringify([{ id: 'failed', impact: 'critical', help: String(e), where: [] }]) }); 0`))
	g.until("axe", "window.__axe !== undefined")
	var found []Violation
	g.fail("axe", json.Unmarshal([]byte(Read[string](g, "window.__axe")), &found))
	return found
}
