// Package task is what a child is asked to do with one thing: a sum to work, a
// number to lay out, a picture to read. Each kind of task has a room of its own
// that registers here what it knows; whoever keeps, gives or judges tasks reads
// them through this package and names no kind.
package task

import (
	"encoding/json"
	"errors"
	"fmt"
	"slices"
	"strings"

	"vineswap/core/place"
	"vineswap/core/slip"
)

// Kind names a kind of task, the same in code and data: "sum", "share".
type Kind string

// Skill is something that a task shows of a child who works it rightly, such as
// the swap in one place: "swap/tens".
type Skill string

// Answer is an answer part by part: one number, or what each has and what is left.
type Answer []place.Number

// Equal tells whether two answers have the same parts.
func (a Answer) Equal(other Answer) bool { return slices.Equal(a, other) }

// Wrong is what a slip gives, carried out on one task.
type Wrong struct {
	Slip   slip.ID
	Answer Answer
}

// Data is what a task is about, as its kind has read it. It is written as JSON
// into the record of the task.
type Data interface {
	// Valid tells why this cannot be asked; nil when it can.
	Valid() error
	// String writes it as it is typed. With the kind it tells tasks apart.
	String() string
	// Right is what is right.
	Right() Answer
	// Write writes an answer as a child would: "24 rest 1".
	Write(Answer) string
	// Read reads an answer as it was given; false where it is not understood.
	Read(given string) (Answer, bool)
	// Shows lists the places and skills that it shows.
	Shows() []Skill
	// Wrong lists what the slips that apply give, common slips first; a kind may
	// have none.
	Wrong() []Wrong
	// Largest is the largest number that it gives.
	Largest() place.Number
}

// Parted is data whose work falls into places, each of which may be another child's.
type Parted interface {
	Data
	// Parts lists the places in the order in which they are worked; none where it is
	// not worked place by place.
	Parts() []place.Place
	// ShowsIn lists the skills that work in some of the places shows.
	ShowsIn(place.Set) []Skill
	// RightIn tells whether an answer is right in some of the places.
	RightIn(place.Set, Answer) bool
}

// Rules is what a kind supplies.
type Rules struct {
	// Version is that of the records that are written today.
	Version int
	// Read reads the data of a record of any version that was ever written.
	// Version 1 had its data beside the kind: there it is given the whole record.
	Read func(version int, data []byte) (Data, error)
	// Parse reads a task as it is typed; ErrForm where the text has the form of
	// another kind.
	Parse func(text string) (Data, error)
}

// RulesOf are the rules of a kind whose data is kept as its own JSON, from version 2 on, and is
// held to be valid when it is read.
func RulesOf[T Data](version int, parse func(string) (T, error)) Rules {
	return Rules{
		Version: version,
		Read: func(_ int, text []byte) (Data, error) {
			var data T
			if err := json.Unmarshal(text, &data); err != nil {
				return nil, err
			}
			return data, data.Valid()
		},
		Parse: func(text string) (Data, error) {
			data, err := parse(text)
			if err != nil {
				return nil, err
			}
			return data, nil
		},
	}
}

// Errors about a task.
var (
	ErrKind    = errors.New("this kind of task is not known here")
	ErrVersion = errors.New("this task was kept by a newer version")
	ErrForm    = errors.New("this is not written like a task")
	ErrNone    = errors.New("there is no task")
)

type entry struct {
	kind  Kind
	rules Rules
}

var registry []entry

// Register makes a kind known. It is called while the program starts; a kind
// that is known already is a mistake of the program.
func Register(kind Kind, rules Rules) {
	if _, known := rulesOf(kind); known {
		panic("task: the kind " + string(kind) + " is registered twice")
	}
	registry = append(registry, entry{kind, rules})
}

func rulesOf(kind Kind) (Rules, bool) {
	for _, e := range registry {
		if e.kind == kind {
			return e.rules, true
		}
	}
	return Rules{}, false
}

// Task is one thing to do. The zero value is no task.
type Task struct {
	Kind Kind
	Data
}

// Key tells tasks apart. It keeps the order of numbers, and knows nothing of the
// stage that the task was chosen for.
func (t Task) Key() string { return string(t.Kind) + ":" + t.String() }

// FromKey reads what Key writes, by its kind's own reading of typed text.
func FromKey(key string) (Task, error) {
	kind, text, _ := strings.Cut(key, ":")
	rules, known := rulesOf(Kind(kind))
	if !known {
		return Task{}, fmt.Errorf("%w: %q", ErrKind, kind)
	}
	data, err := rules.Parse(text)
	return Task{Kind(kind), data}, err
}

// Valid tells why the task cannot be asked; nil when it can.
func (t Task) Valid() error {
	if t.Data == nil {
		return ErrNone
	}
	return t.Data.Valid()
}

// IsRight tells whether an answer, as it was given, is the right one.
func (t Task) IsRight(given string) bool {
	answer, read := t.Read(given)
	return read && answer.Equal(t.Right())
}

// Parts lists the places in which the task is worked, in their order; none where it is
// not worked place by place.
func (t Task) Parts() []place.Place {
	if parted, of := t.Data.(Parted); of {
		return parted.Parts()
	}
	return nil
}

// ShowsIn lists the skills that work in some of its places shows; without places those of
// the whole.
func (t Task) ShowsIn(part place.Set) []Skill {
	if parted, of := t.Data.(Parted); of && part != 0 {
		return parted.ShowsIn(part)
	}
	return t.Shows()
}

// IsRightIn tells whether an answer, as it was given for the whole, is right in some of
// its places; without places in all of them.
func (t Task) IsRightIn(part place.Set, given string) bool {
	parted, of := t.Data.(Parted)
	if !of || part == 0 {
		return t.IsRight(given)
	}
	answer, read := t.Read(given)
	return read && parted.RightIn(part, answer)
}

// Result writes what is right.
func (t Task) Result() string { return t.Write(t.Right()) }

// Slipped is what a slip gives, the first where it can give several; false where it does not
// apply.
func (t Task) Slipped(id slip.ID) (Answer, bool) {
	for _, w := range t.Wrong() {
		if w.Slip == id {
			return w.Answer, true
		}
	}
	return nil, false
}

// Explains lists the slips that give just this answer; none for a right one, and
// for one that is not understood.
func (t Task) Explains(given string) []slip.ID {
	ids := []slip.ID{}
	answer, read := t.Read(given)
	if !read {
		return ids
	}
	for _, w := range t.Wrong() {
		if w.Answer.Equal(answer) {
			ids = append(ids, w.Slip)
		}
	}
	return ids
}

// record is how a task is kept.
type record struct {
	Kind    Kind            `json:"kind"`
	Version int             `json:"version"`
	Data    json.RawMessage `json:"data"`
}

// MarshalJSON writes the record of the task in today's version.
func (t Task) MarshalJSON() ([]byte, error) {
	rules, known := rulesOf(t.Kind)
	if !known {
		return nil, fmt.Errorf("%w: %q", ErrKind, t.Kind)
	}
	data, err := json.Marshal(t.Data)
	if err != nil {
		return nil, err
	}
	return json.Marshal(record{t.Kind, rules.Version, data})
}

// UnmarshalJSON reads a record of any version that was ever written. An unknown
// kind gives ErrKind, a version that is still to come ErrVersion.
func (t *Task) UnmarshalJSON(text []byte) error {
	var r record
	if err := json.Unmarshal(text, &r); err != nil {
		return err
	}
	rules, known := rulesOf(r.Kind)
	if !known {
		return fmt.Errorf("%w: %q", ErrKind, r.Kind)
	}
	if r.Version < 1 || r.Version > rules.Version {
		return fmt.Errorf("%w: %s, version %d", ErrVersion, r.Kind, r.Version)
	}
	data := []byte(r.Data)
	if r.Version == 1 {
		data = text
	}
	read, err := rules.Read(r.Version, data)
	if err != nil {
		return fmt.Errorf("a task of kind %s: %w", r.Kind, err)
	}
	*t = Task{r.Kind, read}
	return nil
}

// Parse reads a typed task, such as "47+25". Where no kind can read it the error
// is that of the first kind whose form it has.
func Parse(text string) (Task, error) {
	wrong := ErrForm
	for _, e := range registry {
		data, err := e.rules.Parse(text)
		if err == nil {
			return Task{e.kind, data}, nil
		}
		if errors.Is(wrong, ErrForm) {
			wrong = err
		}
	}
	return Task{}, wrong
}

// ReadNumber reads a number in an answer. Zeros before it and spaces around it
// do not matter; nothing else is guessed.
func ReadNumber(text string) (n place.Number, read bool) {
	digits := strings.TrimSpace(text)
	if digits != "" && strings.Trim(digits, "0") == "" {
		digits = "0"
	} else {
		digits = strings.TrimLeft(digits, "0")
	}
	if len(digits) > place.MostDigits+1 { // what six digits and more can come to
		return 0, false
	}
	for _, r := range digits {
		if r < '0' || r > '9' {
			return 0, false
		}
		n = 10*n + place.Number(r-'0')
	}
	return n, digits != ""
}
