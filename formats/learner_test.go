package formats_test

import (
	"bytes"
	"encoding/csv"
	"encoding/json"
	"reflect"
	"strings"
	"testing"
	"time"

	"vineswap/formats"
)

func example() formats.Learner {
	return formats.Learner{Name: "Wren A.", Class: "Orchard room", Records: []formats.Record{
		{ID: "one", Day: "2026-11-24", Stage: "joining/one-swap-ones", Manner: "pieces", Problem: "47+25", Answer: "72", Right: true, Help: "alone", Came: "marked", Run: 1, Note: "hums, \"softly\"\nand counts", RecordedBy: "Hanne", RecordedAt: time.Date(2026, 11, 24, 8, 30, 0, 0, time.UTC)},
		{ID: "two", Day: "2026-11-25", Problem: "47+25", Answer: "=1+1", Note: "@home", Run: 2, Replaces: "one", RecordedBy: "-"},
	}}
}

func TestJSONReadsBack(t *testing.T) {
	var out bytes.Buffer
	if err := formats.WriteJSON(&out, example()); err != nil {
		t.Fatal(err)
	}
	if strings.Contains(out.String(), "null") {
		t.Errorf("a null in %s", out.String())
	}
	var back formats.Learner
	if err := json.Unmarshal(out.Bytes(), &back); err != nil || back.Format != "vine-swap-learner" || back.Version != 1 || !reflect.DeepEqual(back.Records, example().Records) {
		t.Errorf("%+v, %v", back, err)
	}
}

func TestFileName(t *testing.T) {
	for name, c := range map[string]struct {
		learner formats.Learner
		want    string
	}{
		"name, class and day": {formats.Learner{Name: "Wren A.", Class: "Orchard room", Day: "2026-11-25"}, "Wren A., Orchard room, 2026-11-25.csv"},
		"no path":             {formats.Learner{Name: "../Wren", Class: `a\b:c?`, Day: "2026-11-25"}, "-Wren, a-b-c-, 2026-11-25.csv"},
		"no line of its own":  {formats.Learner{Name: "Wren\nA.", Class: "Ömer's", Day: "2026-11-25"}, "Wren-A., Ömer's, 2026-11-25.csv"},
	} {
		if got := c.learner.FileName(".csv"); got != c.want {
			t.Errorf("%s: %q, wanted %q", name, got, c.want)
		}
	}
}

func TestCSV(t *testing.T) {
	var out bytes.Buffer
	if err := formats.WriteCSV(&out, example()); err != nil {
		t.Fatal(err)
	}
	rows, err := csv.NewReader(&out).ReadAll()
	if err != nil || len(rows) != 3 {
		t.Fatalf("%d rows, %v", len(rows), err)
	}
	cell := func(row int, name string) string {
		for i, column := range rows[0] {
			if column == name {
				return rows[row][i]
			}
		}
		t.Fatalf("there is no column %s", name)
		return ""
	}
	for name, want := range map[string]string{"problem": "47+25", "answer": "72", "right": "true", "note": "hums, \"softly\"\nand counts", "recorded at": "2026-11-24T08:30:00Z", "name": "Wren A.", "class": "Orchard room"} {
		if got := cell(1, name); got != want {
			t.Errorf("%s is %q, wanted %q", name, got, want)
		}
	}
	// Nothing that a spreadsheet would work out.
	for name, want := range map[string]string{"answer": "'=1+1", "note": "'@home", "recorded by": "'-", "replaces": "one"} {
		if got := cell(2, name); got != want {
			t.Errorf("%s is %q, wanted %q", name, got, want)
		}
	}
}
