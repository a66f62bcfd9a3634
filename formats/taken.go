package formats

import (
	"bytes"
	"encoding/csv"
	"errors"
	"fmt"
	"io"
	"iter"
	"slices"
	"strings"
	"unicode/utf16"
	"unicode/utf8"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/problem"
	"vineswap/core/task"
)

// TakenHeader are the columns of a table of answers that is read into a class's book; the day
// need not be there.
var TakenHeader = []string{"learner", "problem", "answer", "day"}

// MostTaken is how many rows a table has at most that is read into a book, and MostBytes how
// long its file is.
const (
	MostTaken = 100_000
	MostBytes = 16 << 20
)

// What is wrong with a whole file, or with one of its lines.
var (
	ErrNoText     = errors.New("this is no text: save the table as CSV")
	ErrColumns    = errors.New("the first line must name the columns learner, problem and answer, and day if you like")
	ErrNoLines    = errors.New("there is no line under the names of the columns")
	ErrMany       = fmt.Errorf("there are more than %d lines: cut the table in parts", MostTaken)
	ErrQuote      = errors.New("a quotation mark is opened and not closed")
	ErrCells      = errors.New("it has not as many cells as the first line")
	ErrNobody     = errors.New("nobody in the class has this name")
	ErrGone       = errors.New("this child has left the class")
	ErrUnread     = errors.New("this is no answer to it; leave the cell empty for no answer")
	ErrTomorrow   = errors.New("this day is still to come")
	ErrAgain      = errors.New("the same answer stands in this table already")
	ErrInTheBook  = errors.New("this answer is in the book already")
	ErrStopped    = errors.New("nobody waits for it any more")
	ErrNotOnSheet = errors.New("this is not on the child’s sheet")
)

// TakenRow is a line of a table: what it says, or what is wrong with it.
type TakenRow struct {
	Line    int // counted from 1, the names of the columns being line 1
	Learner string
	Task    task.Task
	Answer  string
	Day     book.Day // 0 where none is written
	Err     error    // a *CellError, ErrQuote or ErrCells
}

// text reads the bytes of a file as text: UTF-8 and UTF-16 by their marks, UTF-8 without one,
// and else the Western European of older spreadsheets (Windows-1252).
func text(data []byte) (string, error) {
	switch {
	case bytes.HasPrefix(data, []byte{0xef, 0xbb, 0xbf}):
		data = data[3:]
	case bytes.HasPrefix(data, []byte{0xff, 0xfe}):
		return wide(data[2:], 0, 1), nil
	case bytes.HasPrefix(data, []byte{0xfe, 0xff}):
		return wide(data[2:], 1, 0), nil
	}
	if bytes.IndexByte(data, 0) >= 0 {
		return "", ErrNoText
	}
	if utf8.Valid(data) {
		return string(data), nil
	}
	var b strings.Builder
	for _, c := range data {
		switch {
		case c < 0x80 || c >= 0xa0:
			b.WriteRune(rune(c))
		default:
			b.WriteRune(windows[c-0x80])
		}
	}
	return b.String(), nil
}

// windows are the signs of Windows-1252 from 0x80 to 0x9f.
var windows = []rune("€\ufffd‚ƒ„…†‡ˆ‰Š‹Œ\ufffdŽ\ufffd\ufffd‘’“”•–—˜™š›œ\ufffdžŸ")

// wide reads UTF-16 whose lower byte stands first or second.
func wide(data []byte, low, high int) string {
	units := make([]uint16, len(data)/2)
	for i := range units {
		units[i] = uint16(data[2*i+low]) | uint16(data[2*i+high])<<8
	}
	return string(utf16.Decode(units))
}

// record is one line of a table with its cells.
type record struct {
	line  int
	cells []string
	err   error
}

// mostJoined is how many lines of text one cell goes over at most.
const mostJoined = 4

// records cuts a text into the lines of a table. A quotation mark that is not closed spoils its
// own line alone.
func records(all string, comma rune) iter.Seq[record] {
	return func(yield func(record) bool) {
		lines := strings.Split(strings.ReplaceAll(strings.ReplaceAll(all, "\r\n", "\n"), "\r", "\n"), "\n")
		for i := 0; i < len(lines); i++ {
			if strings.TrimSpace(strings.Trim(lines[i], string(comma))) == "" {
				continue
			}
			first, whole := i, lines[i]
			for n := 1; strings.Count(whole, `"`)%2 == 1 && n < mostJoined && i+1 < len(lines); n++ {
				i++
				whole += "\n" + lines[i]
			}
			r := record{line: first + 1}
			if strings.Count(whole, `"`)%2 == 1 {
				r.err, i = ErrQuote, first
			} else {
				r.cells, r.err = cells(whole, comma)
			}
			if !yield(r) {
				return
			}
		}
	}
}

func cells(line string, comma rune) ([]string, error) {
	if !strings.Contains(line, `"`) {
		return strings.Split(line, string(comma)), nil
	}
	r := csv.NewReader(strings.NewReader(line))
	r.Comma, r.LazyQuotes, r.FieldsPerRecord = comma, true, -1
	made, err := r.Read()
	if err != nil {
		return nil, ErrQuote
	}
	return made, nil
}

// plain is a cell without the spaces around it, and without the apostrophe that keeps a
// spreadsheet from working it out.
func plain(cell string) string {
	cell = strings.TrimSpace(cell)
	if rest, has := strings.CutPrefix(cell, "'"); has && rest != "" && strings.ContainsRune("=+-@\t\r", rune(rest[0])) {
		return rest
	}
	return cell
}

// ReadTaken reads a table of answers, line by line, and counts the lines. The error is about the
// whole file; what is wrong with a line stands with the line.
func ReadTaken(data []byte) (rows iter.Seq[TakenRow], count int, err error) {
	all, err := text(data)
	if err != nil {
		return nil, 0, err
	}
	head, _, _ := strings.Cut(strings.TrimLeft(all, "\r\n "), "\n")
	comma := ','
	for _, other := range []rune{';', '\t'} {
		if strings.Count(head, string(other)) > strings.Count(head, string(comma)) {
			comma = other
		}
	}
	at := map[string]int{}
	width := -1
	for r := range records(all, comma) {
		if width >= 0 {
			if count++; count > MostTaken {
				return nil, 0, ErrMany
			}
			continue
		}
		if width = len(r.cells); r.err != nil {
			return nil, 0, ErrColumns
		}
		for _, name := range TakenHeader {
			if i := slices.IndexFunc(r.cells, func(c string) bool { return strings.EqualFold(strings.TrimSpace(c), name) }); i >= 0 {
				at[name] = i
			}
		}
	}
	for _, name := range TakenHeader[:3] {
		if _, has := at[name]; !has {
			return nil, 0, fmt.Errorf("%w; there is no column %s", ErrColumns, name)
		}
	}
	if count == 0 {
		return nil, 0, ErrNoLines
	}
	return func(yield func(TakenRow) bool) {
		first := true
		for r := range records(all, comma) {
			if first {
				first = false
				continue
			}
			if !yield(takenRow(r, at, width)) {
				return
			}
		}
	}, count, nil
}

func takenRow(r record, at map[string]int, width int) TakenRow {
	row := TakenRow{Line: r.line, Err: r.err}
	if r.err != nil {
		return row
	}
	for len(r.cells) < width && len(r.cells) > slices.Max([]int{at["learner"], at["problem"], at["answer"]}) {
		r.cells = append(r.cells, "") // a day that is left out at the end
	}
	if len(r.cells) != width {
		row.Err = ErrCells
		return row
	}
	cell := func(name string) string {
		if i, has := at[name]; has {
			return plain(r.cells[i])
		}
		return ""
	}
	wrong := func(column string, err error) TakenRow {
		row.Err = &CellError{r.line, column, err}
		return row
	}
	if row.Learner = cell("learner"); row.Learner == "" {
		return wrong("learner", ErrEmpty)
	}
	var err error
	if row.Task, err = task.Parse(cell("problem")); err != nil {
		return wrong("problem", err)
	}
	if err := row.Task.Valid(); err != nil {
		return wrong("problem", err)
	}
	row.Answer = cell("answer")
	if _, read := row.Task.Read(row.Answer); row.Answer != "" && !read || len([]rune(row.Answer)) > book.MostAnswer {
		return wrong("answer", ErrUnread)
	}
	if day := cell("day"); day != "" {
		if row.Day, err = book.ParseDay(day); err != nil {
			return wrong("day", err)
		}
	}
	return row
}

// Roll is who is in a class, by their names, and who was.
type Roll struct {
	Here map[string]string // the learner's id by the name
	Gone map[string]bool
}

// nameKey is a name as it is looked for: without regard to capital letters and spaces.
func nameKey(name string) string { return strings.ToLower(strings.Join(strings.Fields(name), " ")) }

// Add adds a name to the roll; without an id it is that of a child who has left.
func (r *Roll) Add(name, id string) {
	if r.Here == nil {
		r.Here, r.Gone = map[string]string{}, map[string]bool{}
	}
	if id == "" {
		r.Gone[nameKey(name)] = true
		return
	}
	r.Here[nameKey(name)] = id
}

// OnSheet is a task of a child's sheet: where it stands there, for which stage, and how it is
// worked.
type OnSheet struct {
	Nth    int
	Stage  choose.StageID
	Manner book.Manner
}

// Taking is what a table of answers is read against.
type Taking struct {
	Roll  Roll
	Today book.Day
	// Sheet finds a task on a child's sheet, where answers to a sheet are read; else it is nil.
	Sheet func(learner, task string) (OnSheet, bool)
	// Known tells whether an answer is in the book already.
	Known func(learner string, o book.Observation, at OnSheet) bool
}

// Taken is an answer that can be kept.
type Taken struct {
	Line    int
	Learner string // its id
	book.Observation
	At OnSheet // on the sheet, where one is read
}

// Refused is a line that cannot be kept, and why.
type Refused struct {
	Line    int
	Learner string // as it is written
	Err     error
}

// Check reads a table against a class: what can be kept, in the order of its lines, and what
// cannot. It stops where told says so, which hears how many lines are read.
func (t Taking) Check(data []byte, told func(lines int) bool) (good []Taken, bad []Refused, err error) {
	lines, _, err := t.Lines(data)
	if err != nil {
		return nil, nil, err
	}
	count := 0
	for made, refused := range lines {
		if count++; count%1_000 == 0 && !told(count) {
			return nil, nil, ErrStopped
		}
		if refused != nil {
			bad = append(bad, *refused)
		} else {
			good = append(good, made)
		}
	}
	return good, bad, nil
}

// Lines reads a table against a class, line by line: each can be kept or is refused. An answer
// counts as worked alone in the column, of facts in the head, or as the sheet has it. The error is
// about the whole file.
func (t Taking) Lines(data []byte) (lines iter.Seq2[Taken, *Refused], count int, err error) {
	rows, count, err := ReadTaken(data)
	if err != nil {
		return nil, 0, err
	}
	return func(yield func(Taken, *Refused) bool) {
		type answer struct {
			learner, task, answer string
			day                   book.Day
		}
		seen := make(map[answer]int, count)
		for row := range rows {
			made, err := t.taken(row)
			if err == nil {
				key := answer{made.Learner, made.Task.Key(), made.Answer, made.Day}
				if first, twice := seen[key]; twice {
					err = fmt.Errorf("%w, in line %d", ErrAgain, first)
				} else {
					seen[key] = row.Line
				}
			}
			var refused *Refused
			if err != nil {
				refused = &Refused{row.Line, row.Learner, err}
			}
			if !yield(made, refused) {
				return
			}
		}
	}, count, nil
}

func (t Taking) taken(row TakenRow) (Taken, error) {
	made := Taken{Line: row.Line}
	if row.Err != nil {
		return made, row.Err
	}
	wrong := func(column string, err error) (Taken, error) { return made, &CellError{row.Line, column, err} }
	key := nameKey(row.Learner)
	switch id, here := t.Roll.Here[key]; {
	case here:
		made.Learner = id
	case t.Roll.Gone[key]:
		return wrong("learner", ErrGone)
	default:
		return wrong("learner", ErrNobody)
	}
	if row.Day > t.Today {
		return wrong("day", ErrTomorrow)
	}
	made.Observation = book.Observation{Task: row.Task, Manner: book.Column, Help: book.Alone, Answer: row.Answer, Came: book.Typed, Runs: 1, Day: row.Day, Paper: true}
	if made.Day == 0 {
		made.Day = t.Today
	}
	if p, is := problem.From(row.Task); is {
		made.Stage = choose.StageOf(p)
	}
	if stage, known := ladder.StageByID(made.Stage); known && !slices.Contains(stage.Manners, book.Column) {
		made.Manner = book.Head // facts are not worked in a column
	}
	if t.Sheet != nil {
		at, has := t.Sheet(made.Learner, row.Task.Key())
		if !has {
			return wrong("problem", ErrNotOnSheet)
		}
		made.At, made.Stage, made.Manner = at, at.Stage, at.Manner
	}
	if t.Known != nil && t.Known(made.Learner, made.Observation, made.At) {
		return made, ErrInTheBook
	}
	return made, nil
}

// WriteTaken writes answers as a table that can be read back.
func WriteTaken(out io.Writer, rows []TakenRow) error {
	w := csv.NewWriter(out)
	w.UseCRLF = true
	if err := w.Write(TakenHeader); err != nil {
		return err
	}
	for _, r := range rows {
		cells := []string{r.Learner, typed(r.Task), r.Answer, ""}
		if r.Day != 0 {
			cells[3] = r.Day.String()
		}
		for i := range cells {
			cells[i] = harmless(cells[i])
		}
		if err := w.Write(cells); err != nil {
			return err
		}
	}
	w.Flush()
	return w.Error()
}

// typed is a task as it is typed.
func typed(t task.Task) string {
	if t.Data == nil {
		return ""
	}
	return t.String()
}
