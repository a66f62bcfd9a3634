package main

import (
	"fmt"
	"net/http"
	"net/http/httptest"
	"net/http/httputil"
	"net/url"
	"os"
	"sync/atomic"
	"time"

	"vineswap/demo"
	"vineswap/e2e/guide"
)

func main() {
	to, _ := url.Parse(os.Args[1])
	on := httputil.NewSingleHostReverseProxy(to)
	var bad atomic.Value
	bad.Store("")
	srv := httptest.NewServer(http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		if bad.Load() == "gate" && r.Method != "GET" {
			w.WriteHeader(502)
			fmt.Fprint(w, "gate")
			return
		}
		if bad.Load() == "left" && r.Method != "GET" {
			w.Header().Set("Content-Type", "application/problem+json")
			w.WriteHeader(422)
			fmt.Fprint(w, `{"type":"about:blank","title":"This child has left the class","status":422,"field":"learner","remedy":"Only the lead of the class can still record it."}`)
			return
		}
		on.ServeHTTP(w, r)
	}))
	for _, size := range [][2]int64{{1280, 800}, {768, 1024}} {
		g, stop, err := guide.Alone(size[0], size[1])
		if err != nil {
			panic(err)
		}
		n := fmt.Sprint(size[0])
		bad.Store("")
		g.LogIn(srv.URL, demo.Logins()[0].Email, demo.Password).See("could be next")
		time.Sleep(time.Second)
		g.Press("Orchard room").See("In the class").Press("Your access").See("Where you are logged in").Picture("/tmp/shots/access-" + n + ".png")
		g.Press("Close the account").See("cannot be taken back").Picture("/tmp/shots/close-" + n + ".png").Press("Keep it")
		g.Press("People").See("22 children").Press("Invite an assistant").See("works once").Press("Vera").See("take out of the class").Picture("/tmp/shots/people-" + n + ".png")
		g.Press("Numbers").See("Twelve of them").Write("Numbers of your own", "47+25").Press("Look").See("Fullest moment").Press("Gather").See("Who comes?")
		g.Press("Wren A.").See("1Wren A.").Press("Teo B.").See("2Teo B.").Press("Mina S.").See("3Mina S.").Press("done")
		g.Press("To the mat").See("About how much").LetGo().Key("w").See("Who did what")
		bad.Store("left")
		g.Press("Wren A. right, 72").See("refused: 1")
		bad.Store("gate")
		g.Press("Teo B. right, 72").See("waiting: ").Press("Mina S. right, 72").See("waiting: 2")
		g.Picture("/tmp/shots/record-unsent-" + n + ".png")
		g.Press("refused: 1").See("not in the class").Picture("/tmp/shots/unsent-" + n + ".png").Press("Close")
		g.Press("Today").See("waiting: 2").Picture("/tmp/shots/today-unsent-" + n + ".png")
		fmt.Println(g.Err())
		bad.Store("")
		time.Sleep(2 * time.Second)
		stop()
	}
	srv.Close()
}
