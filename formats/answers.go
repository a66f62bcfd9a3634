package formats

import (
	"bufio"
	"encoding/csv"
	"errors"
	"fmt"
	"io"
	"slices"
	"strings"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/place"
	"vineswap/core/task"
)

// Answer is one row of a table of answers: who, when, what and how.
type Answer struct {
	Learner string
	book.Observation
}

// AnswersHeader are the columns of a table of answers.
var AnswersHeader = []string{"learner", "day", "problem", "stage", "manner", "help", "answer"}

// partColumn is the column that a table of answers need not have.
const partColumn = "part"

// Errors of a table of answers.
var (
	ErrHeader = fmt.Errorf("the first row must name the columns %s", strings.Join(AnswersHeader, ","))
	ErrEmpty  = errors.New("nothing is written here")
	ErrLong   = errors.New("the table is too long")
)

// MostAnswers is how many rows a table may have.
const MostAnswers = 1_000_000

// CellError says where in a table a mistake stands.
type CellError struct {
	Line   int    // counted from 1
	Column string // its name
	Err    error
}

func (e *CellError) Error() string { return fmt.Sprintf("line %d, %s: %v", e.Line, e.Column, e.Err) }
func (e *CellError) Unwrap() error { return e.Err }

// ReadAnswers reads a table of answers (RFC 4180) in the order in which they were
// given. The columns may stand in any order, others are passed over, and the stage
// may be empty. A further column "part" names the places that were the learner's own, "ones
// hundreds"; without it, and empty, the whole was. An error is ErrHeader, ErrLong, one of csv, or a *CellError.
func ReadAnswers(in io.Reader) ([]Answer, error) {
	buffered := bufio.NewReader(in)
	if mark, _ := buffered.Peek(3); string(mark) == "\ufeff" {
		_, _ = buffered.Discard(3)
	}
	r := csv.NewReader(buffered)
	header, err := r.Read()
	if errors.Is(err, io.EOF) {
		return nil, ErrHeader
	}
	if err != nil {
		return nil, err
	}
	at := map[string]int{}
	for _, name := range AnswersHeader {
		i := slices.IndexFunc(header, func(h string) bool { return strings.EqualFold(strings.TrimSpace(h), name) })
		if i < 0 {
			return nil, fmt.Errorf("%w: there is no %s", ErrHeader, name)
		}
		at[name] = i
	}
	part := slices.IndexFunc(header, func(h string) bool { return strings.EqualFold(strings.TrimSpace(h), partColumn) })
	answers := []Answer{}
	for {
		row, err := r.Read()
		if errors.Is(err, io.EOF) {
			return answers, nil
		}
		if err != nil {
			return nil, err
		}
		if len(answers) == MostAnswers {
			return nil, fmt.Errorf("%w: more than %d rows", ErrLong, MostAnswers)
		}
		line, _ := r.FieldPos(0)
		a, err := answerOf(line, func(name string) string {
			if name != partColumn {
				return strings.TrimSpace(row[at[name]])
			}
			if part < 0 {
				return ""
			}
			return row[part]
		})
		if err != nil {
			return nil, err
		}
		answers = append(answers, a)
	}
}

// answerOf reads a row.
func answerOf(line int, cell func(name string) string) (a Answer, err error) {
	wrong := func(column string, err error) error { return &CellError{line, column, err} }
	if a.Learner = cell("learner"); a.Learner == "" {
		return a, wrong("learner", ErrEmpty)
	}
	if a.Day, err = book.ParseDay(cell("day")); err != nil {
		return a, wrong("day", err)
	}
	if a.Task, err = task.Parse(cell("problem")); err != nil {
		return a, wrong("problem", err)
	}
	if stage := cell("stage"); stage != "" {
		if a.Stage, err = choose.ParseStage(stage); err != nil {
			return a, wrong("stage", err)
		}
	}
	a.Manner, a.Help, a.Answer = book.Manner(cell("manner")), book.Help(cell("help")), cell("answer")
	if a.Part, err = place.ParseSet(cell(partColumn)); err != nil {
		return a, wrong(partColumn, err)
	}
	a.Came, a.Runs = book.Typed, 1
	err = a.Valid(a.Day)
	switch {
	case errors.Is(err, book.ErrManner):
		return a, wrong("manner", err)
	case errors.Is(err, book.ErrHelp):
		return a, wrong("help", err)
	case errors.Is(err, book.ErrPart):
		return a, wrong(partColumn, err)
	case err != nil:
		return a, wrong("answer", err)
	}
	return a, nil
}
