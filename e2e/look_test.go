package e2e_test

import (
	"fmt"
	"os"
	"strings"
	"testing"
	"time"

	"vineswap/e2e/guide"
	"vineswap/pgtest"
)

// What a page complains of is heard: a script that fails, and an address from
// elsewhere that the policy holds back.
func TestComplaintsAreHeard(t *testing.T) {
	s := open(t)
	g, leave := browser.Sit(laptopWidth, laptopHeight)
	defer leave()
	g.Open(s.url).See("Log in").Holds("a picture from elsewhere is asked for", "(() => { new Image().src = 'http://127.0.0.1:9/x.png'; setTimeout(() => { throw new Error('planted') }); return true })()")
	deadline := time.Now().Add(5 * time.Second)
	for len(g.Grumbles()) < 2 && time.Now().Before(deadline) {
		time.Sleep(20 * time.Millisecond)
	}
	if got := fmt.Sprint(g.Grumbles()); !strings.Contains(got, "Content Security Policy") || !strings.Contains(got, "failed") {
		t.Errorf("heard %s, %v", got, g.Err())
	}
}

// axe is the source of axe-core, from the screens' own packages.
func axe(t *testing.T) string {
	t.Helper()
	source, err := os.ReadFile("../ui/node_modules/axe-core/axe.min.js")
	if err != nil {
		t.Fatalf("axe-core comes with the screens' packages (make build): %v", err)
	}
	return string(source)
}

// views walks through every view and some of its states, and calls look in each.
func views(s school, g *guide.Guide, look func(name string)) {
	g.Open(s.url).See("Log in")
	look("log-in")
	g.Write("Email", "hanne@vineswap.test").Write("Password", "not this").Press("Log in").See("do not belong together")
	look("log-in refused")
	g.Write("Password", demoPassword).Press("Log in").See("No lesson in hand")
	g.Press("Why each of them").Press("Put off").See("something was missing")
	look("Today, a suggestion put off")
	g.Press("The week back").See("Wed 25")
	look("Today, the week back")
	g.Press("Numbers").See("Twelve of them").Press("several swaps").Press("Number 1: more digits").Press("Number 2: more digits").Holds("four places", "document.getElementById('knot-thousands')")
	look("Numbers")
	g.Press("one swap, ones").Press("tens to hundreds").Press("a swap 0").See("No numbers fit")
	look("Numbers, nothing fits")
	numbers(g, look)
	g.Press("Adding").Press("one swap, ones").See("Twelve of them").Key("?").See("Keys on this page")
	look("the keys")
	g.Press("Close").Open(s.url).See("No lesson in hand").Press("Numbers").See("Twelve of them").Holds("a field", "document.querySelector('#own')")
	g.Holds("the field is filled", "(() => { const f = document.getElementById('own'); f.value = '4999+4999'; f.dispatchEvent(new Event('input', { bubbles: true })); f.form.requestSubmit(); return true })()")
	g.See("Most pieces at once").Holds("picked", "document.body.innerText.includes('9 cubes') || document.body.innerText.includes('9\\ncubes') || document.querySelector('.pieces')").Press("Gather").See("most pieces at once")
	look("Gather, choosing")
	g.Key(" ").See("About how much")
	look("Mat, the estimate")
	g.Key(" ").See("Three trays").Key(" ", " ", " ", " ").Holds("laid out", at("lay-out/4"))
	look("Mat, the trays at their fullest")
	g.Key(" ", " ", " ").Holds("ten", at("work/ones/1"))
	look("Mat, a swap of ones")
	g.Key(" ", " ", " ", " ").Holds("ten", at("work/tens/1"))
	look("Mat, a swap of tens")
	g.Key(" ", " ", " ", " ").Holds("ten", at("work/hundreds/1"))
	look("Mat, a swap of hundreds")
	g.Key(" ", " ", " ", " ", " ", " ", " ").Holds("said back", at("read/2"))
	look("Mat, said back")
	g.Press("Expanded form").See("= 8000 + 1800 + 180 + 18")
	look("Mat, expanded form")
	g.Press("Column").Key(" ", " ", " ").Holds("checked", at("check/1"))
	look("Mat, checked")
	g.Press("Today").See("in your hand").See("Look again")
	look("Today")
	g.Press("Orchard room").See("Ten for one is called")
	look("Settings")
	g.Press("People").See("22 children").Press("Hugo M.").See("leaves the class").Press("Invite an assistant").See("works once").Settle()
	look("People")
	g.Press("Tilo").See("remove from the class")
	look("People, an adult open")
	invitation := guide.Read[string](g, "document.getElementById('link').value")
	g.Press("Your access").See("Where you are logged in")
	look("Your access")
	g.Press("Close the account …").See("cannot be undone").Settle()
	look("Your access, asking before closing")
	g.Press("Keep the account").Holds("a record that no class has", `(fetch('/api/me').then((r) => r.json()).then((me) => localStorage.setItem('outbox ' + me.id + ' 0', JSON.stringify({ kind: 'record', class: 'none', of: 'none', made: { learner: 'none' }, leaves: true, says: 'Wren A., 47 + 25 = 72' }))), true)`)
	g.Holds("it is there", "Object.keys(localStorage).some((k) => k.startsWith('outbox'))").Reload().See("refused: 1").Press("refused: 1").See("Not yet in the class").Settle()
	look("what was refused")
	g.Press("Discard it").See("Everything is saved").Press("Close").See("Saved")
	g.Press("Class").See("days since last seen").Press("one swap, higher").See("stage 7 of 12")
	look("Class")
	g.Press("subtraction").See("across one zero")
	look("Class, taking")
	g.Press("Greta Z., 0 days").See("Records, newest first").Press("I see it differently").See("because").Press("Save my judgement").See("needs its reason")
	look("a child")
	g.Press("erase …").See("cannot be brought back")
	look("asking before erasing")
	g.Press("Keep everything").Press("what goes wrong").See("Why this lesson").See("Look for")
	look("a child, what goes wrong")
	g.Press("Today").See("Still to write up").Press("yesterday: ").See("as seen on the mat")
	look("Record, as seen on the mat")
	g.Key("1").See("no answer").Key("1").Press("add a note").Holds("a note", "document.querySelector('textarea')")
	look("Record, a child open")
	g.Press("Save, then").See("Undo")
	look("Record, a wrong answer")
	g.Press("Today")
	tens(g, look)
	whole(s, g, look)
	papers(g, look)
	g.Open("about:blank").Open(invitation).See("Join Orchard room")
	look("the invitation")
	s.newcomers("Quill Z.")
	s.worked("Quill Z.", firstDay.AddDate(0, 0, -2), "27+45=72", "38+16=54", "29+34=63", "47+26=73")
	s.worked("Quill Z.", firstDay.AddDate(0, 0, -1), "18+35=53", "56+27=83", "49+13=62", "37+58=95")
	g.Open("about:blank").Open(s.url).See("could leave the pieces").Press("Why each of them")
	look("Today, the pieces could be left")
	s.empty()
	g.Open("about:blank").Open(s.url).See("no children yet").See("This is it")
	look("Today, an empty class")
	g.Press("Class").See("One stem for each child")
	look("Class, empty")
	g.Press("Add children").See("The first child")
	look("People, empty")
}

// tens looks at numbers that are asked alone: chosen, gathered, on the mat, in the child's
// hands, and written up.
func tens(g *guide.Guide, look func(name string)) {
	g.Press("Numbers").Holds("what was chosen last", "document.querySelector('#own')").Press("Tens").See("Which numbers").Press("tens and ones").Holds("two digits", "document.querySelector('[data-fits=\"240\"]')").Settle()
	look("Numbers, tens")
	alone(g, "43 crowd ring 5", "Finn O.")
	look("Mat, a crowd")
	g.Key(" ", " ", " ", " ").Holds("three rings", "document.querySelector('[data-rings=\"3\"]')").Press("In the child’s hands").Holds("in the hands", "document.querySelector('.ringed')")
	look("Mat, a crowd in the child's hands")
	alone(g, "45 sticks count-back", "Finn O.")
	g.Key(" ", " ", " ", " ").Settle()
	look("Mat, sticks in boxes")
	g.Press("In the child’s hands").Holds("in the hands", "document.querySelectorAll('.sorted [role=button]').length === 10")
	g.Holds("laid, one of them wrongly", layScript(1, 2, 3, 4, 5, 6, 7, 8)).Press("8: ").Holds("the last", strings.Replace(layScript(9), "i < k", "i < 8", 1)).Press("Look at the 9").See("Eight in the nine").Press("Count each box").Settle()
	look("Mat, sticks in the child's hands")
	g.Press("Write up who did what").See("as seen on the mat")
	look("Record, a number alone")
	places(g, look)
}

// whole looks at a lesson for the whole class, its openers and the way into its window.
func whole(s school, g *guide.Guide, look func(name string)) {
	alone(g, "97 numeral push", "Finn O.")
	g.Key(" ", " ", " ", " ", " ", " ", " ", " ", " ", " ", " ").Holds("pushed", "document.querySelector('[data-rack=\"97\"]')").Settle()
	look("Mat, a rack")
	g.Press("Openers").See("A row is a few short openers")
	look("Openers, empty")
	for _, kind := range []string{"flashes", "finger numbers", "count by tens and on", "a card of your own", "spot the slip"} {
		g.Press(kind)
	}
	g.Press("flashes 5 tasks").See("What is shown").Settle()
	look("Openers, a row")
	g.Press("spot the slip one task").See("may be planted").Settle()
	look("Openers, a planted slip")
	s.forAll(flashes(24, 98)...)
	g.Open("about:blank").Open(s.url).See("Slates").Press("Slates").See("Show it, 1 s, once").Settle()
	look("Slates, before they are up")
	g.Key(" ", " ", " ").See("22 of 22").Press("24 Greta Z.").Key("1", "4").Press("24 Jory P.").Key("4", "2").See("in reverse").Settle()
	look("Slates, one in the hand")
	g.Key(" ", " ").See("How it was seen").Settle()
	look("Slates, one explains")
	g.Press("Move the seats").See("Drag a child").Settle()
	look("Slates, the seats are moved")
	g.Press("Seats are right").Key(" ").See("Look at row 1").Settle()
	look("Slates, counting together")
	g.Press("Today").See("in your hand")
}

// papers looks at what is printed and at what comes back from paper.
func papers(g *guide.Guide, look func(name string)) {
	g.Press("Sheets").See("22 children").Holds("the sheet is drawn", "document.querySelector('.printed svg')").Settle()
	look("Sheets")
	g.Press("Type answers back").See("Sheets that are out").Press("K7").See("each child its own").Holds("in the cell", "document.activeElement?.matches('input.cell')").Key("9", "9").See("Does the paper say 99?").Settle()
	look("Answers back")
	g.Press("Read in a table of answers").See("Choose the file")
	chooseTable(g, "learner,problem,answer\nAda W.,47+25,72\nNobody whose name is very long indeed N.,1+1,2\n")
	g.See("1 line can be kept, 1 line cannot").Settle()
	look("A table of answers")
	g.Press("Keep none of them").Press("Sheets").See("22 children").Press("one minute").See("what makes ten").Settle()
	look("Sheets, a minute")
}

// places looks at numbers from 100 on: chosen, laid with pieces and with cards alone.
func places(g *guide.Guide, look func(name string)) {
	g.Press("Numbers").Holds("what was chosen last", "document.querySelector('#own')").Settle().Press("Places").See("Which numbers").Press("expanded form").Holds("both lengths", "document.querySelector('[data-fits]')").Settle()
	look("Numbers, places")
	if guide.Read[bool](g, "innerWidth <= 900") {
		g.Press("Shelf")
	}
	g.Press("five and six digits").Holds("six digits", "document.querySelector('[data-fits=\"1980000\"]')").Press("numeral").Holds("words alone, the longest", "document.querySelector('[data-fits=\"990000\"]')").Settle()
	look("Numbers, six digits")
	alone(g, "9357 pieces cards", "Finn O.")
	g.Key(" ", " ", " ", " ", " ").See("a card for each kind").Settle()
	look("Mat, a number laid")
	alone(g, "473906 said cards", "Finn O.")
	g.Key(" ").See("a card for each kind").Settle()
	look("Mat, cards alone")
	g.Press("Numbers").Holds("the boards", "document.querySelector('#own')").Settle()
	if guide.Read[bool](g, "innerWidth <= 900") {
		g.Press("Shelf")
	}
	g.Press("renaming").See("From the usual way").Press("renamed, in pieces").Settle()
	look("Numbers, renaming")
	if guide.Read[bool](g, "innerWidth <= 900") {
		g.Press("Shelf")
	}
	g.Press("compare and order").See("They differ first in").Press("five").Press("cards").Settle()
	look("Numbers, compared")
	alone(g, "342 numeral how-many", "Finn O.")
	g.Key(" ", " ", " ", " ", " ").See("one hundred twenty-four tens two ones").Settle()
	look("Mat, swapped down")
	alone(g, "8642,8624,8589,3001,99 pieces order", "Finn O.")
	g.Key(" ").See("Thousands").Settle()
	look("Mat, compared")
	alone(g, "675,948 units join", "Finn O.")
	g.Key(" ", " ", " ", " ").See("Thirteen ones").Settle()
	look("Mat, added in parts")
	alone(g, "9357 cards lay", "Finn O.")
	g.Press("In the child’s hands").See("Look at the tray").Press("One more: tens").Press("Look at the tray").See("missing").Settle()
	look("Mat, a tray fetched")
	alone(g, "342,324 numeral decides", "Finn O.")
	g.Press("Write up who did what").See("Who did what").LetGo().Key("1").See("no answer").Settle()
	look("Record, which place")
	alone(g, "9357 numeral units", "Finn O.")
	g.Key(" ", " ").See("Nine thousands three hundreds").Settle()
	look("Mat, a number in its parts")
}

// alone brings a number of one's own to the mat, with children.
func alone(g *guide.Guide, asked string, children ...string) {
	g.Press("Numbers").Holds("the field", "document.querySelector('#own')").Settle()
	g.Holds("typed", fmt.Sprintf("(() => { const f = document.getElementById('own'); f.value = %q; f.dispatchEvent(new Event('input', { bubbles: true })); f.form.requestSubmit(); return true })()", asked))
	g.Holds("looked", fmt.Sprintf("document.querySelector('[data-live]').innerText.startsWith(%q)", asked)).Press("Gather").See("Who comes?").Holds("gathered", "document.querySelector('.gather .asked')")
	for i, child := range children {
		g.Press(child).See(fmt.Sprintf("%d%s", i+1, child))
	}
	g.Press("To the mat").Holds("on the mat", "document.querySelector('[data-step] [data-one]')")
}

// empty takes every child out of the Orchard room, and its lessons.
func (s school) empty() {
	s.Helper()
	_, class := s.lead()
	pgtest.Exec(s.T, s.db, fmt.Sprintf("delete from learner where id in (select learner_id from enrolment where class_id = '%s')", class), fmt.Sprintf("delete from lesson where class_id = '%s'", class))
}

// On a laptop and an upright tablet the mat is whole at each step: nothing is cut, the
// page does not scroll, the next action is there to be touched. The other sizes are
// walked at the fullest moments (TestEveryViewAtEveryWidth).
func TestNothingIsCut(t *testing.T) {
	t.Parallel()
	for i, size := range [][2]int64{{1280, 800}, {768, 1024}} {
		t.Run(fmt.Sprintf("%dx%d", size[0], size[1]), func(t *testing.T) {
			s := open(t)
			s.T = t
			g := s.sit(size[0], size[1]).Coarse().Turn(size[0], size[1])
			whole := func(name string) {
				g.Settle()
				for _, fault := range guide.Read[[]string](g, walk) {
					t.Errorf("%s: %s", name, fault)
				}
				if scrolls := guide.Read[bool](g, "document.documentElement.scrollHeight > innerHeight || document.documentElement.scrollWidth > innerWidth"); scrolls {
					t.Errorf("%s: the page scrolls", name)
				}
				if small := guide.Read[float64](g, "document.querySelector('[data-next]')?.getBoundingClientRect().height ?? 64"); small < 44 {
					t.Errorf("%s: the next action is %v px high", name, small)
				}
			}
			tall(s, g, whole)
			other(g, "899+798+789+897+988+799", whole)
			if i > 0 {
				return // TestEveryViewAtEveryWidth has the others at their fullest
			}
			other(g, "9005-4768", whole)
			other(g, "1999+2999+3999", whole)
			other(g, "8991/9", whole, "m", "m") // drawn
			other(g, "999*9", whole, "m")       // with blocks
			other(g, "95:9", whole)
			other(g, "500003-123456", whole)
		})
	}
}

// numbers looks at the strip in its other states: taking over zeros, six numbers,
// sharing, the finer wishes.
func numbers(g *guide.Guide, look func(name string)) {
	shelf := func(op, first, stage string) { // the operation, what it begins with, and a stage of it
		if guide.Read[bool](g, "innerWidth <= 900") {
			g.Press("Shelf")
		}
		g.Press(op).Holds(first, fmt.Sprintf("document.querySelector('.says')?.innerText.startsWith(%q)", first)).Settle()
		if !guide.Read[bool](g, fmt.Sprintf("[...document.querySelectorAll('.stage')].some((b) => b.innerText.startsWith(%q))", stage)) {
			g.Press("still far off")
		}
		g.Press(stage)
	}
	shelf("Taking away", "One swap, tens", "across zeros")
	g.Holds("over zeros", says("Across zeros: a number of four digits, take away one of four digits.")).Settle()
	look("Numbers, taking over zeros")
	g.Press("More options").See("Pieces you have").Settle()
	look("Numbers, finer wishes")
	g.Press("Twelve of them")
	shelf("Sharing", "Shared evenly", "shared, a remainder")
	g.Holds("a rest", says("Shared, a remainder: a number of two digits shared among two to nine.")).Settle()
	look("Numbers, sharing")
	shelf("Adding", "One swap, ones", "any sum")
	g.Holds("six digits", says("Any sum: two numbers of five digits.")).Press("Number 1: more digits").Holds("six digits", says("Any sum: two numbers of six and five digits.")).Settle()
	look("Numbers, six digits")
	g.Press("three to six addends").Holds("three numbers", says("Three to six addends: three numbers of two digits."))
	for _, n := range []string{"four", "five", "six"} {
		g.Press("One number more").Holds(n+" numbers", says("Three to six addends: "+n+" numbers of two digits."))
	}
	for n, said := range []string{"four, two, two, two, two and two", "four, four, two, two, two and two", "four, four, four, two, two and two"} {
		for range 2 {
			g.Press(fmt.Sprintf("Number %d: more digits", n+1)).Settle()
		}
		g.Holds(said, says("Three to six addends: six numbers of "+said+" digits."))
	}
	g.Settle()
	look("Numbers, six numbers")
}

// other brings a problem of one's own to the mat, presses keys when it is laid out,
// and looks at its fullest moments.
func other(g *guide.Guide, problem string, look func(name string), keys ...string) {
	g.Press("Numbers").Holds("what was chosen last", "document.querySelector('.says')")
	g.Holds("typed", fmt.Sprintf("(() => { const f = document.getElementById('own'); f.value = %q; f.dispatchEvent(new Event('input', { bubbles: true })); f.form.requestSubmit(); return true })()", problem))
	g.Holds("picked", fmt.Sprintf("document.querySelector('[data-live]').innerText.startsWith(%q)", problem)).Settle()
	look(problem + ", picked")
	g.Press("Gather").Holds("gathered", "document.querySelector('.gather .kinds')")
	look(problem + ", gathered")
	g.Key(" ").See("About how").Key(" ").Holds("laid out", at("lay-out/0")).Settle().Key(keys...)
	for range 50 {
		now := guide.Read[string](g, "document.querySelector('[data-step]')?.dataset.step")
		if atTheEnd(g) {
			return
		}
		if strings.HasSuffix(now, "/2") || now == "join/0" {
			look(problem + " " + now)
		}
		g.Key(" ").Holds("a step on", fmt.Sprintf("document.querySelector('[data-step]')?.dataset.step !== %q", now))
	}
}

// tall walks from Today to the end of the fullest lesson.
func tall(s school, g *guide.Guide, look func(name string)) {
	s.login(g, "hanne").See("No lesson in hand").See("Look again")
	look("Today")
	g.Press("Class").See("days since last seen")
	look("Class")
	_, class := s.lead()
	g.Open(fmt.Sprintf("%s/#/%s/learner/%s", s.url, class, s.learner("Greta Z."))).See("Records, newest first")
	look("a child")
	g.Open(fmt.Sprintf("%s/#/%s/settings", s.url, class)).See("Colours of your own set")
	look("Settings")
	g.Open(fmt.Sprintf("%s/#/%s/people", s.url, class)).See("22 children")
	look("People")
	g.Press("Today").See("Still to write up").Press("yesterday: ").See("as seen on the mat")
	look("Record")
	g.Key("2").See("no answer")
	look("Record, a child open")
	g.Key("7", " ").See("Undo")
	look("Record, a wrong answer")
	g.Open(s.url + "/#/").Press("Today").See("No lesson in hand").Press("Numbers").See("Twelve of them")
	g.Holds("the sum is typed", "(() => { const f = document.getElementById('own'); f.value = '4999+4999'; f.dispatchEvent(new Event('input', { bubbles: true })); f.form.requestSubmit(); return true })()")
	g.Holds("picked", "document.querySelector('.picked')?.textContent.includes('nine thousand nine hundred')")
	look("Numbers")
	numbers(g, look)
	g.Holds("the sum is typed again", "(() => { const f = document.getElementById('own'); f.value = '4999+4999'; f.dispatchEvent(new Event('input', { bubbles: true })); f.form.requestSubmit(); return true })()")
	g.Holds("picked", "document.querySelector('.picked')?.textContent.includes('nine thousand nine hundred')")
	g.Press("Gather").Holds("gathered", "document.querySelector('.gather .kinds')")
	look("Gather")
	g.Key(" ").Holds("the mat", at("before/0"))
	for i := range 34 {
		if step := guide.Read[string](g, "document.querySelector('[data-step]')?.dataset.step"); atTheEnd(g) {
			return
		} else {
			look("Mat " + step)
			g.Key(" ").Holds(fmt.Sprintf("step %d", i), fmt.Sprintf("document.querySelector('[data-step]')?.dataset.step !== %q", step))
		}
	}
	s.Errorf("the lesson does not end")
}
