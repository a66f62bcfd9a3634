// Package formats reads and writes open files.
package formats

import (
	"encoding/csv"
	"encoding/json"
	"io"
	"strconv"
	"strings"
	"time"
	"unicode"
)

// LearnerVersion is the version of an exported learner.
const LearnerVersion = 1

// Learner is all that is kept of one learner.
type Learner struct {
	Format     string      `json:"format"` // "vine-swap-learner"
	Version    int         `json:"version"`
	Name       string      `json:"name"`
	Class      string      `json:"class"`
	Day        string      `json:"day"`        // on which it was written to the file, 2026-11-24
	Told       string      `json:"told"`       // what the learner could do when it was added, as an adult said; empty for nothing
	Records    []Record    `json:"records"`    // oldest first, corrected and withdrawn ones too
	Judgements []Judgement `json:"judgements"` // oldest first
	Estimates  []Estimate  `json:"estimates"`
	Counts     []Count     `json:"counts"`  // how long it took to count
	Slates     []Slate     `json:"slates"`  // in lessons for the whole class, oldest first
	Minutes    []Minute    `json:"minutes"` // of facts, oldest first
}

// Minute is a minute of facts, or as many seconds as were set.
type Minute struct {
	Day     string `json:"day"`
	Facts   string `json:"facts"`
	Seconds int    `json:"seconds"`
	Tried   int    `json:"tried"`
	Right   int    `json:"right"`
}

// Slate is the learner's slate in a round of the whole class, and its turn to explain.
type Slate struct {
	Day    string `json:"day"`
	Mark   string `json:"mark"`   // how the slate was; empty where nothing is written on slates
	Answer string `json:"answer"` // as it was typed; empty for the right one
	Turn   string `json:"turn"`   // "explained" or "passed by"; empty for no turn
	Way    string `json:"way"`    // how it was seen, as the learner explained it
}

// Record is one record of the learner at a problem.
type Record struct {
	ID         string    `json:"id"`
	Day        string    `json:"day"`
	Stage      string    `json:"stage"`
	Manner     string    `json:"manner"`
	Material   string    `json:"material"`
	Problem    string    `json:"problem"`
	Part       string    `json:"part"` // the places that were the learner's own: "ones hundreds"; empty for the whole
	Answer     string    `json:"answer"`
	Right      bool      `json:"right"`
	Help       string    `json:"help"`
	Way        string    `json:"way"`
	Came       string    `json:"came"`
	Chosen     bool      `json:"chosen"`
	Run        int       `json:"run"`
	Whole      bool      `json:"whole"` // on a slate, among those of the whole class
	Paper      bool      `json:"paper"` // on a sheet
	Note       string    `json:"note"`
	Replaces   string    `json:"replaces"` // the record that this one corrects; empty for none
	Withdrawn  bool      `json:"withdrawn"`
	RecordedBy string    `json:"recordedBy"`
	RecordedAt time.Time `json:"recordedAt"`
	SeenAt     string    `json:"seenAt"` // by the clock of the device on which it was written down; empty where that is not known
}

// Judgement is one judgement of a guide.
type Judgement struct {
	Day    string `json:"day"`
	Stage  string `json:"stage"`
	Manner string `json:"manner"`
	State  string `json:"state"`
	Reason string `json:"reason"`
	By     string `json:"by"`
}

// Estimate is what the learner said before a problem was worked.
type Estimate struct {
	Day     string `json:"day"`
	Problem string `json:"problem"`
	Value   int    `json:"value"`
}

// Count is how many seconds the learner took to count something.
type Count struct {
	Day     string `json:"day"`
	Problem string `json:"problem"`
	Seconds int    `json:"seconds"`
}

// LearnerFormat names the format in its files.
const LearnerFormat = "vine-swap-learner"

// WriteJSON writes a learner as indented JSON; lists are never null.
func WriteJSON(out io.Writer, l Learner) error {
	l.Format, l.Version = LearnerFormat, LearnerVersion
	if l.Records == nil {
		l.Records = []Record{}
	}
	if l.Judgements == nil {
		l.Judgements = []Judgement{}
	}
	if l.Counts == nil {
		l.Counts = []Count{}
	}
	if l.Slates == nil {
		l.Slates = []Slate{}
	}
	if l.Minutes == nil {
		l.Minutes = []Minute{}
	}
	if l.Estimates == nil {
		l.Estimates = []Estimate{}
	}
	e := json.NewEncoder(out)
	e.SetIndent("", "  ")
	e.SetEscapeHTML(false)
	return e.Encode(l)
}

// FileName is the name of a file with the learner's records: the learner, the class
// and the day, with the dot and the ending given. What a file system refuses in a name
// becomes a hyphen.
func (l Learner) FileName(ending string) string {
	name := strings.Map(func(r rune) rune {
		if strings.ContainsRune(`/\:*?"<>|`, r) || unicode.IsControl(r) {
			return '-'
		}
		return r
	}, l.Name+", "+l.Class+", "+l.Day)
	return strings.TrimLeft(name, ". ") + ending
}

var recordHeader = []string{
	"id", "day", "stage", "manner", "material", "problem", "part", "answer", "right", "help", "way", "came", "chosen", "run", "note", "replaces", "withdrawn", "recorded by", "recorded at", "seen at", "name", "class",
}

// WriteCSV writes the records of a learner as a table (RFC 4180) with a header.
// What a spreadsheet would take for a formula is written with an apostrophe
// before it.
func WriteCSV(out io.Writer, l Learner) error {
	w := csv.NewWriter(out)
	w.UseCRLF = true
	if err := w.Write(recordHeader); err != nil {
		return err
	}
	for _, r := range l.Records {
		row := []string{
			r.ID, r.Day, r.Stage, r.Manner, r.Material, r.Problem, r.Part, r.Answer, strconv.FormatBool(r.Right), r.Help, r.Way, r.Came, strconv.FormatBool(r.Chosen), strconv.Itoa(r.Run),
			r.Note, r.Replaces, strconv.FormatBool(r.Withdrawn), r.RecordedBy, r.RecordedAt.UTC().Format(time.RFC3339), r.SeenAt, l.Name, l.Class,
		}
		for i := range row {
			row[i] = harmless(row[i])
		}
		if err := w.Write(row); err != nil {
			return err
		}
	}
	w.Flush()
	return w.Error()
}

func harmless(cell string) string {
	if strings.ContainsAny(cell[:min(1, len(cell))], "=+-@\t\r") {
		return "'" + cell
	}
	return cell
}
