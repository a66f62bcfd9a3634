package e2e_test

import (
	"fmt"
	"os"
	"os/exec"
	"strings"
	"testing"

	"github.com/google/uuid"

	"vineswap/core/book"
	"vineswap/core/sheet"
	"vineswap/e2e/guide"
	"vineswap/store"
)

// sheetOut reads the one sheet of the Orchard room that was printed last.
func (s school) sheetOut() store.Sheet {
	s.Helper()
	_, class := s.lead()
	out, err := s.store.SheetsOut(ctx, class, 1)
	if err != nil || len(out) != 1 {
		s.Fatalf("%d sheets, %v", len(out), err)
	}
	kept, err := s.store.Sheet(ctx, class, out[0].ID)
	if err != nil {
		s.Fatal(err)
	}
	return kept
}

// typed types an answer into the cell in hand, and goes on.
func typed(g *guide.Guide, answer string) {
	g.Holds("the cell has the focus", "document.activeElement?.matches('input.cell')").Key(strings.Split(answer, "")...).Key("\r")
}

// Sheets for twelve are looked at, printed and kept; their answers come back by the keyboard
// alone, are judged as they come, and are in the children's records.
func TestSheetsOutAndAnswersBack(t *testing.T) {
	s := open(t)
	_, class := s.lead()
	for _, name := range []string{"Bram D.", "Clio J.", "Esme Q.", "Finn O.", "Greta Z.", "Hugo M.", "Ivo C.", "Jory P.", "Kasper U."} {
		if err := s.store.RetireLearner(ctx, class, s.learner(name), s.now); err != nil {
			t.Fatal(err)
		}
	}
	g := s.sit(laptopWidth, laptopHeight)
	s.login(g, "hanne").Press("Sheets").See("13 children").Holds("the sheet is drawn", "document.querySelectorAll('.printed svg text').length > 30").Press("Ada W.").Press("No sheet for Ada W.").See("12 children").Settle()
	g.Press("Lena V.").See("one swap, tens: wobbling").See("Its numbers bring out").Press("6").Holds("six tasks", "document.querySelector('.says')?.innerText.startsWith('6 tasks')")
	first := guide.Read[string](g, "document.querySelector('.printed svg').textContent")
	g.Press("Other numbers").Holds("other numbers", fmt.Sprintf("document.querySelector('.printed svg').textContent !== %q", first))
	g.Press("Lena V.").LetGo().Key("p").See("is made").Settle()
	kept := s.sheetOut()
	if len(kept.Children) != 12 || kept.Spec.Count != 6 || kept.Code == "K7" || len(kept.Tasks) != 0 {
		t.Fatalf("%d children, %+v", len(kept.Children), kept.Spec)
	}
	g.Press("Type its answers").See(kept.Code + ", column with boxes").See("each child its own numbers")
	// The first child: two right, one with a slip, no answer, a turned digit, and the last right.
	items := kept.Children[0].Tasks
	wrong := -1
	given := ""
	for n := 2; n < 3; n++ {
		for _, w := range items[n].Task.Wrong() {
			if wrong, given = n, items[n].Task.Write(w.Answer); given != "" {
				break
			}
		}
	}
	typed(g, items[0].Task.Result())
	typed(g, items[1].Task.Result())
	g.Key(strings.Split(given, "")...).See("Does the paper say "+given+"?").Holds("the slip is named", "document.querySelector('.slip b')?.innerText.length > 10").Key("\r")
	g.Key("n").Key("t").Key("r")
	// A reload on the way loses nothing of what is typed.
	g.Holds("the second child", fmt.Sprintf("document.activeElement?.ariaLabel?.startsWith(%q)", kept.Children[1].Name))
	second := kept.Children[1].Tasks
	half := second[0].Task.Result()[:1]
	g.Key(half).Settle().Reload().See(kept.Code).Holds("typed before", fmt.Sprintf("document.activeElement?.matches('input.cell') && document.activeElement.value === %q", half))
	g.Key(strings.Split(second[0].Task.Result()[1:], "")...).Key("\r")
	g.Key("m").See("2 of 12 typed").Settle()
	// A mistake in typing is corrected.
	g.Press(kept.Children[0].Name+", task 1: ").Key("\b", "\b", "\b", "9", "\r").Settle()
	got := map[int]store.Observation{}
	list, err := s.store.SheetAnswers(ctx, kept.ID)
	if err != nil {
		t.Fatal(err)
	}
	for _, o := range list {
		if o.LearnerID == kept.Children[0].LearnerID {
			got[o.Nth] = o
		}
		if o.Manner != book.Column || o.Help != book.Alone || !o.Paper {
			t.Errorf("it counts as %s, %s", o.Manner, o.Help)
		}
	}
	if len(got) != 6 || got[0].Answer != "9" || !got[1].Right() || got[wrong].Answer != given || got[3].Answer != "" || !got[4].Right() || got[4].Note == "" || !got[5].Right() {
		t.Errorf("kept of the first child: %+v", got)
	}
	if again, err := s.store.Sheet(ctx, kept.ClassID, kept.ID); err != nil || !again.Children[1].Missing || len(list) != 7 {
		t.Errorf("%d answers, %+v, %v", len(list), again.Children[1], err)
	}
	g.Write("Code at the foot of a sheet", "q99").Press("Open").See("No sheet of this class has that code")
	s.check(g)
}

// A minute runs out, also over a reload; then two numbers for each child, drawn beside its own
// last times.
func TestAMinuteOfFacts(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	at := func(label string) string {
		return fmt.Sprintf("(() => { const f = document.querySelector('[aria-label=%q]'); f?.focus(); return document.activeElement === f })()", label)
	}
	s.login(g, "hanne").Press("Sheets").See("22 children").Open(s.url + "/#/" + s.class().ID.String() + "/minute").See("One minute").Press("doubles").See("last time")
	g.Press("30 s").LetGo().Key(" ").Holds("it runs", "document.querySelector('.big b')").Holds("almost over", "(localStorage.setItem('minute began', String(Date.now() - 29000)), true)").Reload().See("Lay the pencils down")
	g.Holds("the first", at("Ada W.: tried")).Key("2", "1", "\r", "1", "9", "\r").Holds("another", at("Bram D.: right")).Key("3", "0").Holds("the one before", at("Bram D.: tried")).Key("2", "0", "\r").See("more right than tried")
	g.Holds("it again", at("Bram D.: right")).Key("\b", "\b", "1", "8", "\r").Settle()
	list, err := s.store.Minutes(ctx, []uuid.UUID{s.learner("Ada W."), s.learner("Bram D.")})
	if err != nil {
		t.Fatal(err)
	}
	var last []sheet.Timed
	for _, m := range list[len(list)-2:] {
		last = append(last, m.Timed)
	}
	if fmt.Sprint(last) != "[{doubles 30 21 19} {doubles 30 20 18}]" {
		t.Errorf("kept %v", last)
	}
	s.check(g)
}

// A table with faults is read in: each bad line is named, the good ones are kept when that is
// asked for, and nothing before.
func TestATableWithFaults(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	records := func() int {
		list, err := s.store.Observations(ctx, s.learner("Ada W."))
		if err != nil {
			t.Fatal(err)
		}
		return len(list)
	}
	before := records()
	s.login(g, "hanne").Press("Sheets").See("22 children").Press("Type answers back").See("K7").Press("Read in a table of answers").See("Choose the file")
	chooseTable(g, "\ufefflearner;problem;answer;day\r\nAda W.;47+25;72;\r\nAda W.;38+27;55;\r\nNobody N.;1+1;2;\r\nAda W.;47+;3;\r\nAda W.;50+1;=A1;\r\n")
	g.See("2 lines can be kept, 3 lines cannot").See("nobody in the class has this name").See("problem: ").See("leave the cell empty for no answer")
	if now := records(); now != before {
		t.Errorf("%d records before anything was kept, %d now", before, now)
	}
	g.Press("Keep the 2 good ones").See("2 lines kept, 3 lines left out").Settle()
	if now := records(); now != before+2 {
		t.Errorf("%d records, %d now", before, now)
	}
	chooseTable(g, "learner,problem,answer\nAda W.,47+25,72\n")
	g.See("No line can be kept").See("in the book already").Press("Keep none of them").See("Nothing is kept before")
	s.check(g)
}

// chooseTable chooses a file of answers.
func chooseTable(g *guide.Guide, text string) {
	g.Holds("a file is chosen", fmt.Sprintf(`(() => { const f = document.querySelector('input[type=file]'); const d = new DataTransfer(); d.items.add(new File([%q], 'answers.csv', { type: 'text/csv' })); f.files = d.files; f.dispatchEvent(new Event('change', { bubbles: true })); return true })()`, text))
}

// Whoever looks on sees sheets and prints nothing; what is printed of a view has no furniture.
func TestPrintedViews(t *testing.T) {
	s := open(t)
	g := s.sit(laptopWidth, laptopHeight)
	s.login(g, "vera").Press("Sheets").See("22 children").Holds("nothing to print", "document.querySelector('[data-next]').disabled").Press("Class").See("days since last seen").Settle()
	path := t.TempDir() + "/class.pdf"
	if err := os.WriteFile(path, g.Print(), 0o600); err != nil {
		t.Fatal(err)
	}
	text := readBack(t, path)
	for words, want := range map[string]bool{"Ada W.": true, "wobbling": true, "New place": true, "Vine Swap": false, "Openers": false} {
		if strings.Contains(text, words) != want {
			t.Errorf("%q is printed: %t", words, !want)
		}
	}
	s.check(g)
}

// readBack is the text of a PDF.
func readBack(t *testing.T, path string) string {
	t.Helper()
	out, err := exec.Command("pdftotext", path, "-").Output()
	if err != nil {
		t.Fatal(err)
	}
	return string(out)
}
