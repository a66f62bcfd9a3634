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

// AnswersHeader are the columns that a table of answers has when the ladder judges it, and
// PlainHeader those that are enough to say what explains the answers.
var (
	AnswersHeader = []string{"learner", "day", "problem", "stage", "manner", "help", "answer"}
	PlainHeader   = []string{"learner", "problem", "answer"}
)

// partColumn is the column that no table of answers need have.
const partColumn = "part"

// Errors of a table of answers.
var (
	ErrHeader = errors.New("the first row must name the columns")
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
// given. It must have the named columns, in any order; others of AnswersHeader are read where
// it has them, and further ones are passed over. The stage may be empty; without a manner the
// answer was worked in the column, without help alone, and without a day nothing is known of
// it. A further column "part" names the places that were the learner's own, "ones hundreds";
// without it, and empty, the whole was. An error is ErrHeader, ErrLong, one of csv, or a
// *CellError.
func ReadAnswers(in io.Reader, named []string) ([]Answer, error) {
	buffered := bufio.NewReader(in)
	if mark, _ := buffered.Peek(3); string(mark) == "\ufeff" {
		_, _ = buffered.Discard(3)
	}
	r := csv.NewReader(buffered)
	header, err := r.Read()
	if errors.Is(err, io.EOF) {
		return nil, fmt.Errorf("%w %s", ErrHeader, strings.Join(named, ","))
	}
	if err != nil {
		return nil, err
	}
	at := map[string]int{}
	for _, name := range append(slices.Clone(AnswersHeader), partColumn) {
		i := slices.IndexFunc(header, func(h string) bool { return strings.EqualFold(strings.TrimSpace(h), name) })
		if i >= 0 {
			at[name] = i
		} else if slices.Contains(named, name) {
			return nil, fmt.Errorf("%w %s: there is no %s", ErrHeader, strings.Join(named, ","), name)
		}
	}
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
		a, err := answerOf(line, func(name string) (cell string, has bool) {
			i, has := at[name]
			if has {
				cell = strings.TrimSpace(row[i])
			}
			return cell, has && (cell != "" || slices.Contains(named, name))
		})
		if err != nil {
			return nil, err
		}
		answers = append(answers, a)
	}
}

// answerOf reads a row. The table has no cell where it has no such column, and where it need
// not have it and the cell is empty.
func answerOf(line int, cell func(name string) (text string, has bool)) (a Answer, err error) {
	wrong := func(column string, err error) error { return &CellError{line, column, err} }
	text := func(name, without string) string {
		if t, has := cell(name); has {
			return t
		}
		return without
	}
	if a.Learner = text("learner", ""); a.Learner == "" {
		return a, wrong("learner", ErrEmpty)
	}
	if day, has := cell("day"); has {
		if a.Day, err = book.ParseDay(day); err != nil {
			return a, wrong("day", err)
		}
	}
	if a.Task, err = task.Parse(text("problem", "")); err != nil {
		return a, wrong("problem", err)
	}
	if stage := text("stage", ""); stage != "" {
		if a.Stage, err = choose.ParseStage(stage); err != nil {
			return a, wrong("stage", err)
		}
	}
	a.Manner, a.Help = book.Manner(text("manner", string(book.Column))), book.Help(text("help", string(book.Alone)))
	a.Answer = text("answer", "")
	if a.Part, err = place.ParseSet(text(partColumn, "")); err != nil {
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
