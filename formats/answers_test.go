package formats_test

import (
	"errors"
	"strings"
	"testing"

	"vineswap/core/book"
	"vineswap/formats"
)

const answersHead = "learner,day,problem,stage,manner,help,answer\n"

func TestReadAnswers(t *testing.T) {
	got, err := formats.ReadAnswers(strings.NewReader("\ufeffDay,learner, Help ,problem,stage,manner,answer,room\r\n"+
		"2026-11-25,Wren A.,alone,47+25,joining/one-swap-ones,pieces,72,barn\r\n"+
		"2026-11-26,\"A., Teo\",nudged,52-38,,column,,barn\r\n"), formats.AnswersHeader)
	if err != nil || len(got) != 2 {
		t.Fatalf("%+v, %v", got, err)
	}
	if a := got[0]; a.Learner != "Wren A." || a.Day.String() != "2026-11-25" || !a.Right() || a.Help != book.Alone || a.Stage != "joining/one-swap-ones" || a.Manner != book.Pieces {
		t.Errorf("%+v", a)
	}
	if a := got[1]; a.Learner != "A., Teo" || a.Right() || a.Stage != "" || a.Help != book.Nudged {
		t.Errorf("%+v", a)
	}
}

// A column may name the places that were the learner's own; it is right by these.
func TestPartsInAnswers(t *testing.T) {
	got, err := formats.ReadAnswers(strings.NewReader("part,"+answersHead+"ones,Wren A.,2026-11-25,47+25,,pieces,alone,62\n tens ,Wren A.,2026-11-25,47+25,,pieces,alone,62\n,Wren A.,2026-11-25,47+25,,pieces,alone,72\n"), formats.AnswersHeader)
	if err != nil || len(got) != 3 || !got[0].Right() || got[1].Right() || got[1].Part.String() != "tens" || got[2].Part != 0 {
		t.Errorf("%+v, %v", got, err)
	}
	for name, cell := range map[string]string{"no place": "sideways", "a place that it has not": "thousands"} {
		_, err := formats.ReadAnswers(strings.NewReader("part,"+answersHead+cell+",Wren A.,2026-11-25,47+25,,pieces,alone,72\n"), formats.AnswersHeader)
		var wrong *formats.CellError
		if !errors.As(err, &wrong) || wrong.Column != "part" {
			t.Errorf("%s: %v", name, err)
		}
	}
}

// A mistake is told with its line and its column.
func TestMistakesInAnswers(t *testing.T) {
	row := "Wren A.,2026-11-25,47+25,joining/one-swap-ones,pieces,alone,72\n"
	for name, c := range map[string]struct{ in, column string }{
		"a day that is none":      {answersHead + row + "Wren A.,yesterday,47+25,,pieces,alone,72\n", "day"},
		"an unfinished problem":   {answersHead + row + "Wren A.,2026-11-25,47+,,pieces,alone,72\n", "problem"},
		"nobody":                  {answersHead + row + " ,2026-11-25,47+25,,pieces,alone,72\n", "learner"},
		"a manner that is none":   {answersHead + row + "Wren A.,2026-11-25,47+25,,sung,alone,72\n", "manner"},
		"help that is none":       {answersHead + row + "Wren A.,2026-11-25,47+25,,pieces,much,72\n", "help"},
		"an answer without end":   {answersHead + row + "Wren A.,2026-11-25,47+25,,pieces,alone," + strings.Repeat("7", 99) + "\n", "answer"},
		"a stage that is none":    {answersHead + row + "Wren A.,2026-11-25,47+25,joining/leaps,pieces,alone,72\n", "stage"},
		"no header":               {row, ""},
		"a column is missing":     {"learner,day,problem,stage,manner,help\n", ""},
		"nothing at all":          {"", ""},
		"a row that is too short": {answersHead + "Wren A.,2026-11-25\n", ""},
		"an open quotation mark":  {answersHead + "\"Wren A.,2026-11-25,47+25,,pieces,alone,72\n", ""},
	} {
		got, err := formats.ReadAnswers(strings.NewReader(c.in), formats.AnswersHeader)
		if err == nil {
			t.Errorf("%s: read as %+v", name, got)
			continue
		}
		var cell *formats.CellError
		if errors.As(err, &cell) != (c.column != "") || cell != nil && (cell.Column != c.column || cell.Line != 3) {
			t.Errorf("%s: %v", name, err)
		}
		if strings.Contains(err.Error(), "\n") {
			t.Errorf("%s: more than one line: %q", name, err)
		}
	}
}

// What is read is a task that can be judged, whatever the bytes were.
func FuzzReadAnswers(f *testing.F) {
	f.Add(answersHead + "Wren A.,2026-11-25,47+25,joining/one-swap-ones,pieces,alone,72\n")
	f.Add(answersHead + "Wren A.,2026-11-25,97/4,,pieces,together,24 r 1\n")
	f.Add("answer,help,manner,stage,problem,day,learner\n,shown,column,,52-38,2026-11-25,Teo B.\n")
	f.Fuzz(func(t *testing.T, in string) {
		_, _ = formats.ReadAnswers(strings.NewReader(in), formats.PlainHeader)
		got, err := formats.ReadAnswers(strings.NewReader(in), formats.AnswersHeader)
		if err != nil {
			return
		}
		for _, a := range got {
			if a.Learner == "" || a.Task.Valid() != nil || a.Valid(a.Day) != nil {
				t.Errorf("read %+v", a)
			}
			a.Right()
		}
	})
}

// What explains answers needs who answered what; the day, the manner and the help may be
// told, and an empty cell of these is as if it were not.
func TestPlainAnswers(t *testing.T) {
	got, err := formats.ReadAnswers(strings.NewReader("problem,answer,learner\n62-38,36,Ada\n503-128,,Ada\n"), formats.PlainHeader)
	if err != nil || len(got) != 2 {
		t.Fatalf("%+v, %v", got, err)
	}
	if a := got[0]; a.Learner != "Ada" || a.Right() || a.Manner != book.Column || a.Help != book.Alone || a.Day != 0 {
		t.Errorf("%+v", a)
	}
	got, err = formats.ReadAnswers(strings.NewReader("learner,problem,answer,day,help\nBo,62-38,24,2026-11-25,nudged\nBo,62-38,24,,\n"), formats.PlainHeader)
	if err != nil || got[0].Day.String() != "2026-11-25" || got[0].Help != book.Nudged || got[1].Day != 0 || got[1].Help != book.Alone {
		t.Errorf("%+v, %v", got, err)
	}
	for name, c := range map[string]struct{ in, want string }{
		"no answers":    {"learner,problem\n", "there is no answer"},
		"no columns":    {"", "learner,problem,answer"},
		"no day":        {"learner,problem,answer,day\nBo,62-38,24,tomorrow\n", "line 2, day"},
		"no problem":    {"learner,problem,answer\nBo,62-380,24\n", "line 2, problem"},
		"a long answer": {"learner,problem,answer\nBo,62-38," + strings.Repeat("4", 50) + "\n", "line 2, answer"},
	} {
		if _, err := formats.ReadAnswers(strings.NewReader(c.in), formats.PlainHeader); err == nil || !strings.Contains(err.Error(), c.want) {
			t.Errorf("%s: %v", name, err)
		}
	}
}
