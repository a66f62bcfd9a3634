// Command shots takes the pictures in docs/screenshots from a running demo:
// make screenshots.
package main

import (
	"errors"
	"fmt"
	"os"
	"path/filepath"

	"vineswap/demo"
	"vineswap/e2e/guide"
)

func main() {
	if len(os.Args) != 3 {
		fmt.Fprintln(os.Stderr, "usage: shots FOLDER ADDRESS")
		os.Exit(2)
	}
	if err := shots(os.Args[2], os.Args[1]); err != nil {
		fmt.Fprintln(os.Stderr, "shots:", err)
		os.Exit(1)
	}
}

func shots(address, folder string) error {
	dir, err := os.MkdirTemp("", "vineswap-shots-")
	if err != nil {
		return err
	}
	defer os.RemoveAll(dir)
	browser, stop, err := guide.Start(dir)
	if err != nil {
		return err
	}
	defer stop()
	g, leave := browser.Sit(1280, 800)
	defer leave()
	window, shut := browser.Sit(1280, 720)
	defer shut()
	to := func(name string) string { return filepath.Join(folder, name+".png") }

	g.LogIn(address, demo.Logins()[0].Email, demo.Password).See("suggested for").Picture(to("today"))
	g.Press("Numbers").See("Twelve of them").Press("several swaps")
	for _, number := range []string{"Number 1: more digits", "Number 2: more digits"} {
		g.Press(number)
	}
	g.See("two numbers of four digits").Press("tens to hundreds").Picture(to("numbers"))
	g.Write("Numbers of your own", "2468+1375").Press("Look").See("2468+1375").See("Most pieces at once").Press("Gather").See("Who comes?")
	g.Press("Wren A.").See("1Wren A.").Press("Teo B.").See("2Teo B.").Press("Mina S.").See("3Mina S.").Press("done").Picture(to("gather"))
	g.Press("To the mat").See("About how much").Press("Wren A. …").Write("Wren A. says about", "3800").Press("Lock it").See("Wren A. 3800").Press("Teo B. …").Write("Teo B. says about", "3500").Press("Lock it").See("Teo B. 3500")
	g.Key(" ", " ", " ", " ", " ", " ", " ", " ").See("Ten ones. Stop.").Picture(to("mat-swap"))
	g.Key(" ", " ", " ", " ").See("Ten tens. Stop.")
	g.Press("drawings").Key(" ").See("Ten tens swap for")
	g.Key(" ", " ", " ", " ", " ", " ").See("slide together").Press("beads")
	g.Key("w").See("answer 3843").Press("Wren A. right, 3843").Key("2").See("no answer").Key("3", "7", "3", "3", "n").Picture(to("record"))
	g.Press("Class").See("days since last seen").Press("one swap, higher").See("stage 7 of 12").Picture(to("class"))
	g.Press("subtraction").See("across one zero").Press("Greta Z., 0 days").See("Records, newest first").Picture(to("learner"))
	g.Press("what goes wrong").See("Why this lesson").Picture(to("learner-wrong"))
	g.Press("Numbers").See("Twelve of them").Write("Numbers of your own", "5003-1264").Press("Look").See("across zeros").Press("Gather").See("Who comes?").Press("Wren A.").See("1Wren A.").Press("Teo B.").See("2Teo B.").Press("done").Press("To the mat").See("About how much").Key(" ").See("One tray for the larger")
	g.Key(" ", " ", " ", " ", " ", " ").See("One hundred swaps for").Picture(to("mat-taking"))
	alone(g, "67 rack-100 write")
	for range 10 {
		g.Key(" ")
	}
	g.See("Sixty-seven. Six tens seven ones.").Picture(to("mat-rack"))
	bars(g, to)
	whole(g, window, address, to)
	papers(g, to)
	g.Press("Orchard room").See("In the class’s own words").See("Ten for one is called").Picture(to("settings"))
	g.See("Log out").Press("Log out").See("Log in")

	// The youngest.
	g.LogIn(address, demo.Logins()[4].Email, demo.Password).See("Seed room").Press("Numbers").Holds("the boards", "document.querySelector('#own')").Press("Tens").See("Which numbers")
	g.Press("writing teens").Holds("teens", "document.querySelector('[data-hand] [aria-label*=word]')").Holds("a word", "(document.querySelector('[data-hand] [aria-label*=word]').click(), true)").Picture(to("numbers-tens"))
	return errors.Join(g.Err(), window.Err())
}

// bars plans a snake, and counts one to a ten.
func bars(g *guide.Guide, to func(string) string) {
	g.Press("Numbers").Holds("the boards", "document.querySelector('#own')").Press("Snakes").See("bars in a snake").Press("second snake").Settle().Press("4 left").See("Never is 0").Settle().Press("1 left").Settle().Press("1 left").Settle().Press("one bar more").Settle().Picture(to("numbers-snakes"))
	g.Write("Bars of your own", "5,2,8,8,5,6,3,9,4,7").Press("Look").See("fifty-seven").Press("Gather").See("Who comes?").Press("Suvi T.").Press("Rafi N.").Press("done").Press("To the mat").Holds("on the mat", "document.querySelector('[data-snake]')")
	for range 60 {
		if g.Err() != nil || guide.Read[bool](g, "!!document.querySelector('[data-snake=remain][data-golden=\"3\"]')") {
			break
		}
		g.Key(" ").Settle()
	}
	g.See("four are left of the six").Picture(to("mat-snake"))
}

// papers looks at sheets for the class, and types some answers back.
func papers(g *guide.Guide, to func(string) string) {
	g.Press("Sheets").See("where it stands").Press("Lena V.").See("Its numbers bring out").Picture(to("sheets"))
	g.Press("Type answers back").See("Sheets that are out").Press("K7").See("each child its own").Holds("in the cell", "document.activeElement?.matches('input.cell')").Key("r", "r", "r", "n", "7", "1", "\r", "r", "r")
	g.Holds("the sixth child", "document.activeElement?.ariaLabel?.startsWith('Greta')").Key("2", "5").See("the ten that came up was not added").Picture(to("answers"))
}

// whole runs a row of openers for the whole class, with its window at the projector.
func whole(g, window *guide.Guide, address string, to func(string) string) {
	g.Press("Openers").See("A row is a few short openers").Press("Monday").See("9 tasks").Press("flashes 5 tasks").See("What is shown").Press("Make a code for it").See("New code").Picture(to("openers"))
	code := guide.Read[string](g, "document.querySelector('.code').innerText")
	g.LetGo().Key(" ").See("Show it, 2 s, once").Holds("the third", "(document.querySelectorAll('.ribbon button')[2].click(), true)").Holds("is there", "document.querySelectorAll('.ribbon .now')[0]?.textContent === document.querySelectorAll('.ribbon text')[2].textContent").Settle()
	window.Open(address+"/#/show/"+code).Holds("the window", "document.querySelector('[data-covered]')")
	g.Key(" ").See("Show it again")
	window.Holds("shown", "document.querySelector('[data-flash=on]')").Picture(to("window"))
	g.Key(" ", " ").See("22 of 22")
	right := guide.Read[string](g, "document.querySelector('.dots').closest('li').querySelector('b').innerText")
	if g.Err() != nil || len(right) != 2 {
		return
	}
	g.Press(right+" Jory P.").Key(right[1:], right[:1]).Press(right+" Pia L.").Key("n").Press(right+" Otto K.").Key(right[:1], "u").Press(right + " Noor F.").Key("t")
	g.Press(right+" Mina S.").Key("a").Key(" ", " ").See("How it was seen").Press(right+" Greta Z.").Key("1", "4").See("14").Picture(to("slates"))
}

// alone brings a number of one's own to the mat; for practice where nobody comes.
func alone(g *guide.Guide, asked string, children ...string) {
	g.Press("Numbers").Holds("the field", "document.querySelector('#own')").Settle().Write("Numbers of your own", asked).Press("Look").Holds("looked", fmt.Sprintf("document.querySelector('[data-live]').innerText.startsWith(%q)", asked)).Press("Gather").See("Who comes?")
	for i, child := range children {
		g.Press(child).See(fmt.Sprint(i+1, child))
	}
	g.Press("done").Press("To the mat").Holds("on the mat", "document.querySelector('[data-step] [data-one]')")
}
