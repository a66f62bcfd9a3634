package formats_test

import (
	"bytes"
	"errors"
	"fmt"
	"slices"
	"strings"
	"testing"
	"unicode/utf16"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/problem"
	"vineswap/core/task"
	"vineswap/formats"
)

const today = book.Day(20_600)

func taking() formats.Taking {
	t := formats.Taking{Today: today}
	t.Roll.Add("Ada W.", "ada")
	t.Roll.Add("Wren A.", "wren")
	t.Roll.Add("Jory P.", "")
	return t
}

func check(t *testing.T, table string) ([]formats.Taken, []formats.Refused) {
	t.Helper()
	good, bad, err := taking().Check([]byte(table), func(int) bool { return true })
	if err != nil {
		t.Fatal(err)
	}
	return good, bad
}

// Each line is checked by itself: what is wrong with one is said with its number and its cell,
// and the others stand.
func TestALineOfATable(t *testing.T) {
	for name, c := range map[string]struct {
		line string
		want error
		says string
	}{
		"right":                    {"Ada W.,47+25,72,2026-05-20", nil, ""},
		"without a day":            {"Ada W.,47+25,72,", nil, ""},
		"the day is left out":      {"Ada W.,47+25,72", nil, ""},
		"a wrong answer":           {"Ada W.,47+25,62,", nil, ""},
		"no answer":                {"Ada W.,47+25,,", nil, ""},
		"the name in small":        {"ada  w.,47+25,72,", nil, ""},
		"in quotes":                {`"Ada W.","47+25","72",`, nil, ""},
		"a remainder":              {"Ada W.,97/4,24 r 1,", nil, ""},
		"a number alone":           {"Ada W.,34 drawn write,34,", nil, ""},
		"nobody":                   {"Bo X.,47+25,72,", formats.ErrNobody, "line 2, learner"},
		"left":                     {"Jory P.,47+25,72,", formats.ErrGone, "line 2, learner"},
		"no name":                  {",47+25,72,", formats.ErrEmpty, "line 2, learner"},
		"no problem":               {"Ada W.,47+,72,", nil, "line 2, problem"},
		"a formula for a problem":  {"Ada W.,=47+25,72,", nil, "line 2, problem"},
		"a formula for an answer":  {"Ada W.,47+25,=A1,", formats.ErrUnread, "line 2, answer"},
		"words for an answer":      {"Ada W.,47+25,lots,", formats.ErrUnread, "line 2, answer"},
		"a day as it is not read":  {"Ada W.,47+25,72,20.5.2026", nil, "line 2, day"},
		"a day to come":            {"Ada W.,47+25,72,2126-05-20", formats.ErrTomorrow, "line 2, day"},
		"too few cells":            {"Ada W.,47+25", formats.ErrCells, ""},
		"too many cells":           {"Ada W.,47+25,72,,x", formats.ErrCells, ""},
		"a quotation mark":         {`Ada W.,"47+25,72,`, formats.ErrQuote, ""},
		"what an export protected": {"Ada W.,47+25,'-5,", formats.ErrUnread, "line 2, answer"},
	} {
		good, bad := check(t, "learner,problem,answer,day\n"+c.line+"\nWren A.,12+34,46,\n")
		if !slices.ContainsFunc(good, func(g formats.Taken) bool { return g.Learner == "wren" && g.Line == 3 }) {
			t.Errorf("%s: the line after it is lost", name)
		}
		wrong := c.want != nil || c.says != ""
		if wrong != (len(bad) == 1) || wrong && (c.want != nil && !errors.Is(bad[0].Err, c.want) || !strings.Contains(bad[0].Err.Error(), c.says) || bad[0].Line != 2) {
			t.Errorf("%s: %+v", name, bad)
		}
		if !wrong && (len(good) != 2 || good[0].Learner != "ada" || good[0].Came != book.Typed || good[0].Help != book.Alone || !good[0].Paper || good[0].Valid(today) != nil) {
			t.Errorf("%s: %+v", name, good)
		}
	}
}

// The file may be as spreadsheets write it: separators, encodings, line ends, columns in
// another order and others beside them.
func TestFilesOfSpreadsheets(t *testing.T) {
	plain := "learner,problem,answer\nAda W.,47+25,72\nWren A.,38+27,65\n"
	wide := func(low, high int, mark []byte) string {
		out := bytes.NewBuffer(mark)
		for _, u := range utf16.Encode([]rune(plain)) {
			pair := [2]byte{}
			pair[low], pair[high] = byte(u), byte(u>>8)
			out.Write(pair[:])
		}
		return out.String()
	}
	for name, table := range map[string]string{
		"plain":            plain,
		"semicolons":       strings.ReplaceAll(plain, ",", ";"),
		"tabs":             strings.ReplaceAll(plain, ",", "\t"),
		"windows lines":    strings.ReplaceAll(plain, "\n", "\r\n"),
		"old lines":        strings.ReplaceAll(plain, "\n", "\r"),
		"a mark":           "\ufeff" + plain,
		"UTF-16":           wide(0, 1, []byte{0xff, 0xfe}),
		"UTF-16 turned":    wide(1, 0, []byte{0xfe, 0xff}),
		"capitals":         strings.Replace(plain, "learner,problem,answer", "Learner, PROBLEM ,Answer", 1),
		"empty lines":      strings.ReplaceAll(plain, "\n", "\n\n,,\n"),
		"another order":    "answer,learner,problem\n72,Ada W.,47+25\n65,Wren A.,38+27\n",
		"more columns":     "no,learner,problem,answer,note\n1,Ada W.,47+25,72,\"quick, today\"\n2,Wren A.,38+27,65,\n",
		"no last line end": strings.TrimRight(plain, "\n"),
	} {
		good, bad := check(t, table)
		if len(good) != 2 || len(bad) != 0 || good[0].Task.Key() != "sum:47+25" || good[1].Answer != "65" || good[0].Stage != choose.OneSwapOnes || good[0].Manner != book.Column {
			t.Errorf("%s: %+v, %+v", name, good, bad)
		}
	}
	west := taking()
	west.Roll.Add("Zoë Š.", "zoe")
	good, bad, err := west.Check([]byte("learner;problem;answer\nZo\xeb \x8a.;47+25;72\n"), func(int) bool { return true })
	if err != nil || len(good) != 1 || good[0].Learner != "zoe" {
		t.Errorf("Windows-1252: %+v %+v %v", good, bad, err)
	}
}

// Of a file that is no such table nothing is read, and it is said why.
func TestFilesThatAreNoTable(t *testing.T) {
	many := "learner,problem,answer\n" + strings.Repeat("Ada W.,47+25,72\n", formats.MostTaken+1)
	for name, c := range map[string]struct {
		table string
		want  error
	}{
		"nothing":       {"", formats.ErrColumns},
		"names alone":   {"learner,problem,answer\n", formats.ErrNoLines},
		"no names":      {"Ada W.,47+25,72\n", formats.ErrColumns},
		"no answers":    {"learner,problem\nAda W.,47+25\n", formats.ErrColumns},
		"a spreadsheet": {"PK\x03\x04\x00\x00\x00", formats.ErrNoText},
		"too long":      {many, formats.ErrMany},
		"a quote":       {"\"learner,problem,answer\nAda W.,47+25,72\n", formats.ErrColumns},
	} {
		if good, bad, err := taking().Check([]byte(c.table), func(int) bool { return true }); !errors.Is(err, c.want) {
			t.Errorf("%s: %v, %d good, %d bad", name, err, len(good), len(bad))
		}
	}
}

// What stands there twice, and what is in the book, is kept once.
func TestWhatStandsThereTwice(t *testing.T) {
	good, bad := check(t, "learner,problem,answer\nAda W.,47+25,72\nAda W.,47+25,72\nAda W.,47+25,62\nWren A.,47+25,72\n")
	if len(good) != 3 || len(bad) != 1 || bad[0].Line != 3 || !errors.Is(bad[0].Err, formats.ErrAgain) || !strings.Contains(bad[0].Err.Error(), "line 2") {
		t.Errorf("%+v %+v", good, bad)
	}
	known := taking()
	known.Known = func(learner string, o book.Observation, _ formats.OnSheet) bool {
		return learner == "ada" && o.Answer == "72"
	}
	good, bad, err := known.Check([]byte("learner,problem,answer\nAda W.,47+25,72\nWren A.,47+25,72\n"), func(int) bool { return true })
	if err != nil || len(good) != 1 || len(bad) != 1 || !errors.Is(bad[0].Err, formats.ErrInTheBook) {
		t.Errorf("%+v %+v %v", good, bad, err)
	}
}

// Answers to a sheet count as the sheet has it; what is not on it is refused.
func TestAnswersToASheet(t *testing.T) {
	sheet := taking()
	sheet.Sheet = func(learner, key string) (formats.OnSheet, bool) {
		return formats.OnSheet{Nth: 4, Stage: choose.OneSwapOnes, Manner: book.Drawn}, learner == "ada" && key == "sum:47+25"
	}
	good, bad, err := sheet.Check([]byte("learner,problem,answer\nAda W.,47+25,72\nWren A.,47+25,72\n"), func(int) bool { return true })
	if err != nil || len(good) != 1 || good[0].Manner != book.Drawn || good[0].At.Nth != 4 || len(bad) != 1 || !errors.Is(bad[0].Err, formats.ErrNotOnSheet) {
		t.Errorf("%+v %+v %v", good, bad, err)
	}
	facts, _ := check(t, "learner,problem,answer\nAda W.,8+7,15\n")
	if len(facts) != 1 || facts[0].Manner != book.Head {
		t.Errorf("a fact counts as %+v", facts)
	}
}

// Checking stops when it is told to.
func TestCheckingStops(t *testing.T) {
	table := "learner,problem,answer\n" + strings.Repeat("Bo,47+25,72\n", 5_000)
	heard := 0
	if _, _, err := taking().Check([]byte(table), func(n int) bool { heard = n; return n < 2_000 }); err == nil || heard != 2_000 {
		t.Errorf("read on to %d, %v", heard, err)
	}
}

// What is written is read back, and a cell that a spreadsheet would work out is made harmless.
func TestWrittenAndReadBack(t *testing.T) {
	var rows []formats.TakenRow
	for i, text := range []string{"47+25", "503-128", "97/4", "34 drawn write"} {
		made, err := task.Parse(text)
		if err != nil {
			t.Fatal(err)
		}
		rows = append(rows, formats.TakenRow{Learner: "Ada W.", Task: made, Answer: made.Result(), Day: today - book.Day(i)})
	}
	rows = append(rows, formats.TakenRow{Learner: "=cmd|x", Task: problem.SumOf(1, 2).Task(), Answer: "-3", Day: today})
	var out bytes.Buffer
	if err := formats.WriteTaken(&out, rows); err != nil {
		t.Fatal(err)
	}
	if text := out.String(); !strings.Contains(text, "'=cmd|x") || !strings.Contains(text, "'-3") {
		t.Errorf("a formula is written: %s", text)
	}
	good, bad := check(t, out.String())
	if len(good) != 4 || len(bad) != 1 || bad[0].Learner != "=cmd|x" && !errors.Is(bad[0].Err, formats.ErrUnread) {
		t.Fatalf("%+v %+v", good, bad)
	}
	for i, g := range good {
		if g.Task.Key() != rows[i].Task.Key() || g.Day != rows[i].Day || !g.Right() {
			t.Errorf("%+v is read back as %+v", rows[i], g)
		}
	}
}

func FuzzReadTaken(f *testing.F) {
	for _, seed := range []string{"learner,problem,answer\nAda W.,47+25,72\n", "learner;problem;answer;day\n\"Ada\n W.\";47+25;72;2026-05-20", "\xff\xfel\x00", "learner,problem,answer\n\"", "learner\tproblem\tanswer\r\r\n\t\t"} {
		f.Add([]byte(seed))
	}
	f.Fuzz(func(t *testing.T, data []byte) {
		good, bad, err := taking().Check(data, func(int) bool { return true })
		if err != nil {
			return
		}
		last := 1
		for _, b := range bad {
			if b.Line <= last-1 || b.Err == nil {
				t.Fatalf("%+v after line %d", b, last)
			}
			last = b.Line
		}
		for _, g := range good {
			if err := g.Valid(today); err != nil {
				t.Fatalf("%+v: %v", g, err)
			}
		}
	})
}

// BenchmarkCheck reads and checks 100,000 lines.
func BenchmarkCheck(b *testing.B) {
	var table bytes.Buffer
	table.WriteString("learner,problem,answer,day\n")
	for i := range 100_000 {
		fmt.Fprintf(&table, "Ada W.,%d+%d,%d,2026-05-%02d\n", 100+i%800, 100+i/800%800, 200+i, 1+i%20)
	}
	for b.Loop() {
		good, bad, err := taking().Check(table.Bytes(), func(int) bool { return true })
		if err != nil || len(good) != 100_000 {
			b.Fatal(len(good), len(bad), err)
		}
	}
}
