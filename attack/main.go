// Attack does to the real server what strangers would, and looks what it costs: memory,
// rows, time for others. It keeps the figures and ends by itself.
package main

import (
	"bytes"
	"compress/gzip"
	"context"
	"errors"
	"fmt"
	"io"
	"net"
	"net/http"
	"os"
	"slices"
	"strings"
	"sync"
	"sync/atomic"
	"time"

	"vineswap/rig"
	"vineswap/wire"
)

const (
	command = "make attack"
	within  = 20 * time.Second
	mega    = 1 << 20
)

func main() {
	rig.Measure(command, func(ctx context.Context, r *rig.Rig) (string, error) {
		if err := r.Answers(within); err != nil {
			return "", err
		}
		a := &attack{Rig: r}
		for _, part := range []func(context.Context) error{a.packed, a.strangers, a.longNumbers, a.guessing, a.slow} {
			if err := part(ctx); err != nil {
				return "", err
			}
		}
		text := "| what was done | what came of it |\n|---|---|\n" + a.out.String()
		if len(a.failed) > 0 {
			return "", errors.New(strings.Join(a.failed, "; "))
		}
		return text, nil
	})
}

type attack struct {
	*rig.Rig
	out    strings.Builder
	failed []string
}

// line tells what came of something; bad says whether it is worse than it may be.
func (a *attack) line(bad bool, what, came string) {
	fmt.Fprintf(&a.out, "| %s | %s |\n", what, came)
	if bad {
		a.failed = append(a.failed, what+": "+came)
	}
}

func zipped(text []byte) []byte {
	var out bytes.Buffer
	w, _ := gzip.NewWriterLevel(&out, gzip.BestCompression)
	_, _ = w.Write(text)
	_ = w.Close()
	return out.Bytes()
}

// packed sends few bytes that would unpack to very many.
func (a *attack) packed(ctx context.Context) error {
	bomb := zipped(zipped(make([]byte, 512*mega)))
	before, _ := a.Memory()
	statuses := map[int]int{}
	for range 200 {
		req, err := http.NewRequestWithContext(ctx, "POST", a.URL+"/api/login", bytes.NewReader(bomb))
		if err != nil {
			return err
		}
		req.Header.Set("Content-Type", "application/json")
		req.Header.Set("Content-Encoding", "gzip, gzip")
		res, err := http.DefaultClient.Do(req)
		if err != nil {
			return err
		}
		res.Body.Close()
		statuses[res.StatusCode]++
	}
	_, most := a.Memory()
	a.line(statuses[415] != 200 || most-before > 32*mega, fmt.Sprintf("200 bodies of %.1f KB, packed twice, each half a gigabyte unpacked", float64(len(bomb))/1000),
		fmt.Sprintf("%d refused with 415; memory %d MB before, %d MB at most", statuses[415], before/mega, most/mega))
	return nil
}

// rows counts what is kept of log-ins.
func (a *attack) rows(ctx context.Context) (int, error) { return a.Store.CountLogins(ctx) }

// strangers ask for everything without a log-in, for five seconds.
func (a *attack) strangers(ctx context.Context) error {
	had, err := a.rows(ctx)
	if err != nil {
		return err
	}
	before, _ := a.Memory()
	var asked atomic.Int64
	var wg sync.WaitGroup
	began := time.Now()
	for i := range 16 {
		wg.Go(func() {
			for n := 0; time.Since(began) < 5*time.Second && ctx.Err() == nil; n++ {
				path := []string{"/api/me", "/api/classes/" + a.Class.ID.String(), "/api/nowhere", "/", "/api/invitations/ABCDEFGHIJKLMNOPQRSTUVWXYZ"}[n%5]
				req, _ := http.NewRequestWithContext(ctx, "GET", a.URL+path, nil)
				req.Header.Set("Cookie", fmt.Sprintf("vineswap_session=%021d%022d; vineswap_device=%043d", i, n, n))
				if res, err := http.DefaultClient.Do(req); err == nil {
					_, _ = io.Copy(io.Discard, res.Body)
					res.Body.Close()
					asked.Add(1)
				}
			}
		})
	}
	wg.Wait()
	has, err := a.rows(ctx)
	if err != nil {
		return err
	}
	now, _ := a.Memory()
	a.line(has != had || now-before > 64*mega || asked.Load() < 1000, fmt.Sprintf("%d requests in five seconds, with cookies made up", asked.Load()), fmt.Sprintf("%d rows more; memory %d MB before, %d MB after", has-had, before/mega, now/mega))
	return nil
}

// try logs in once and returns the status.
func (a *attack) try(ctx context.Context, email, password string) (int, error) {
	req, err := http.NewRequestWithContext(ctx, "POST", a.URL+"/api/login", strings.NewReader(`{"email":"`+email+`","password":"`+password+`"}`))
	if err != nil {
		return 0, err
	}
	req.Header.Set("Content-Type", "application/json")
	res, err := http.DefaultClient.Do(req)
	if err != nil {
		return 0, err
	}
	defer res.Body.Close()
	return res.StatusCode, nil
}

// guessing tries passwords; the lead has logged in on a device of its own before.
func (a *attack) guessing(ctx context.Context) error {
	lead, err := a.Person()
	if err != nil {
		return err
	}
	if err := lead.LogIn(); err != nil {
		return err
	}
	statuses := map[int]int{}
	for range 50 {
		status, err := a.try(ctx, "lead@vineswap.test", "guess-guess")
		if err != nil {
			return err
		}
		statuses[status]++
	}
	again := lead.LogIn()
	a.line(statuses[401] > 10 || again != nil, "50 passwords tried on the lead's account", fmt.Sprintf("%d looked at, %d refused with 429; the lead gets in on a device that is known: %t", statuses[401], statuses[429], again == nil))
	statuses = map[int]int{}
	began := time.Now()
	for i := range 100 {
		status, err := a.try(ctx, fmt.Sprintf("somebody%d@vineswap.test", i), "spring-2026")
		if err != nil {
			return err
		}
		statuses[status]++
	}
	rows, err := a.rows(ctx)
	if err != nil {
		return err
	}
	a.line(statuses[401] > 40, "one password tried on 100 accounts from one address", fmt.Sprintf("%d looked at, %d refused with 429, in %.1f s; %d rows in all", statuses[401], statuses[429], time.Since(began).Seconds(), rows))
	return nil
}

// slow opens connections that never finish what they say.
func (a *attack) slow(ctx context.Context) error {
	var conns []net.Conn
	defer func() {
		for _, c := range conns {
			c.Close()
		}
	}()
	for i := range 400 {
		c, err := net.Dial("tcp", strings.TrimPrefix(a.URL, "http://"))
		if err != nil {
			return err
		}
		conns = append(conns, c)
		if i%2 == 0 {
			fmt.Fprint(c, "GET /api/me HTTP/1.1\r\nHost: x\r\nX-Slow: ")
		} else {
			fmt.Fprint(c, "POST /api/login HTTP/1.1\r\nHost: x\r\nContent-Type: application/json\r\nContent-Length: 4000\r\n\r\n{")
		}
	}
	var took []time.Duration
	for range 50 {
		began := time.Now()
		res, err := http.Get(a.URL + "/readyz")
		if err != nil {
			return err
		}
		res.Body.Close()
		took = append(took, time.Since(began))
	}
	slices.Sort(took)
	began, closed := time.Now(), 0
	for _, c := range conns {
		_ = c.SetReadDeadline(began.Add(30 * time.Second))
		if _, err := io.Copy(io.Discard, c); err == nil || !errors.Is(err, os.ErrDeadlineExceeded) {
			closed++
		}
	}
	a.line(closed != len(conns) || took[49] > time.Second, "400 connections that do not finish their headers or bodies", fmt.Sprintf("others are answered within %d ms; %d of them are closed within %.0f s", took[49].Milliseconds(), closed, time.Since(began).Seconds()))
	return nil
}

// longNumbers lets six guides choose the most costly numbers at once, beside one who
// chooses two of two digits.
func (a *attack) longNumbers(ctx context.Context) error {
	guides := make([]*rig.Person, 7)
	for i := range guides {
		var err error
		if guides[i], err = a.Person(); err != nil {
			return err
		}
		if err := guides[i].LogIn(); err != nil {
			return err
		}
	}
	path := "/api/classes/" + a.Class.ID.String() + "/choose"
	choose := func(p *rig.Person, ask wire.Choose) (time.Duration, error) {
		began := time.Now()
		status, body, err := p.Send("POST", path, ask)
		if err == nil && status != http.StatusOK {
			err = fmt.Errorf("%d %.200s", status, body)
		}
		return time.Since(began), err
	}
	small := wire.Choose{Digits: []int{2, 2}, Count: 12}
	median := func() (time.Duration, error) {
		var took []time.Duration
		for range 40 {
			one, err := choose(guides[6], small)
			if err != nil {
				return 0, err
			}
			took = append(took, one)
		}
		slices.Sort(took)
		return took[20], nil
	}
	alone, err := median()
	if err != nil {
		return err
	}
	costly := wire.Choose{Digits: []int{6, 6, 6, 6, 6, 6}, Doubles: "no", Count: 48, Spread: true}
	going, stop := context.WithCancel(ctx)
	var wg sync.WaitGroup
	var done atomic.Int64
	var sum atomic.Int64
	errs := make([]error, 6)
	for i := range 6 {
		wg.Go(func() {
			for going.Err() == nil && errs[i] == nil {
				var one time.Duration
				one, errs[i] = choose(guides[i], costly)
				done.Add(1)
				sum.Add(int64(one))
			}
		})
	}
	time.Sleep(300 * time.Millisecond)
	beside, err := median()
	stop()
	wg.Wait()
	if err := errors.Join(append(errs, err)...); err != nil {
		return err
	}
	_, most := a.Memory()
	ratio := float64(beside) / float64(alone)
	a.line(ratio >= 5, "six guides at once choose sets of sums of six numbers of six digits, no doubles, spread", fmt.Sprintf("%d sets, %d ms each with waiting; a neighbour's two numbers take %.1f ms beside %.1f ms alone: %.1f times; memory %d MB at most",
		done.Load(), time.Duration(sum.Load()/done.Load()).Milliseconds(), float64(beside.Microseconds())/1000, float64(alone.Microseconds())/1000, ratio, most/mega))
	return nil
}
