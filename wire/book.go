package wire

import (
	"time"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/material"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/say"
	"vineswap/core/task"
)

// Named is something to choose from: its id and what it is called.
type Named struct {
	ID   string `json:"id"`
	Name string `json:"name"`
}

// Entry is one kept record of a child at a problem.
type Entry struct {
	ID        string   `json:"id"`
	Learner   string   `json:"learner"`
	Lesson    string   `json:"lesson,omitempty"`
	Task      string   `json:"task"`
	Nth       int      `json:"nth"`
	Answer    string   `json:"answer"`
	Right     bool     `json:"right"`
	Slips     []string `json:"slips"` // what explains a wrong answer, in words
	Stage     string   `json:"stage"`
	StageName string   `json:"stageName"`
	Manner    string   `json:"manner"`
	InManner  string   `json:"inManner"`
	Help      string   `json:"help"`
	Way       string   `json:"way"`
	WayName   string   `json:"wayName"`
	Came      string   `json:"came"`
	Chosen    bool     `json:"chosen"`
	Runs      int      `json:"runs"`
	Note      string   `json:"note"` // for the lead alone
	HasNote   bool     `json:"hasNote"`
	Day       string   `json:"day"`
	DaySays   string   `json:"daySays"`
	By        string   `json:"by"`
	At        string   `json:"at"` // the time of day at which it was recorded
	Withdrawn bool     `json:"withdrawn"`
	Replaces  string   `json:"replaces,omitempty"`
	Current   bool     `json:"current"` // nothing replaces it
}

// Kept is a record as the store has it, with what the wire needs of it.
type Kept struct {
	book.Observation
	ID, Learner, Lesson, Replaces string
	Nth                           int
	Note, By                      string
	Withdrawn, Current            bool
	At                            time.Time // in the class's zone
}

// EntryOf makes a record; notes are for the lead alone.
func EntryOf(w say.Words, k Kept, today book.Day, lead bool) Entry {
	e := Entry{
		ID: k.ID, Learner: k.Learner, Lesson: k.Lesson, Task: w.Task(k.Task), Nth: k.Nth, Answer: k.Answer,
		Right: k.Right(), Slips: []string{}, Stage: string(ladder.Credit(k.Task, k.Stage)), StageName: w.Stage(ladder.Credit(k.Task, k.Stage)), Manner: string(k.Manner), InManner: say.InManner(k.Manner),
		Help: string(k.Help), Way: string(k.Way), WayName: say.Way(k.Way), Came: string(k.Came), Chosen: k.Chosen, Runs: k.Runs, HasNote: k.Note != "",
		Day: k.Day.String(), DaySays: say.ShortDay(k.Day, today), By: k.By, At: k.At.Format("15:04"), Withdrawn: k.Withdrawn, Replaces: k.Replaces, Current: k.Current,
	}
	if lead {
		e.Note = k.Note
	}
	for _, id := range k.Task.Explains(k.Answer) {
		e.Slips = append(e.Slips, say.Slip(id))
	}
	return e
}

// Record is the page on which a lesson is written up.
type Record struct {
	Link     LessonLink `json:"link"`
	Revision int        `json:"revision"`
	Index    int        `json:"index"` // the task in hand
	Children []Learner  `json:"children"`
	Tasks    []Worked   `json:"tasks"`
	Manners  []Named    `json:"manners"` // of the lesson's stage
	Helps    []Named    `json:"helps"`
	Ways     []Named    `json:"ways"`
	Day      string     `json:"day"`    // of the lesson
	Today    string     `json:"today"`  // no record is of a later day
	More     bool       `json:"more"`   // another task like the one in hand can be drawn
	Notice   string     `json:"notice"` // what is to be said of what was just kept
}

// Worked is one task of a lesson with what is written of it.
type Worked struct {
	Text      string     `json:"text"`
	Sign      string     `json:"sign"`
	Numbers   []int      `json:"numbers"`
	Answer    int        `json:"answer"` // the number that comes out, to draw estimates beside
	Result    string     `json:"result"` // as it is written: "24 rest 1"
	Rests     bool       `json:"rests"`  // an answer can have a rest
	Words     string     `json:"words"`
	Rows      []Row      `json:"rows"` // one for each child
	Estimates []Estimate `json:"estimates"`
	Saw       []Saw      `json:"saw"`
}

// Row is a child at a problem: how it would be written by one touch, and what is
// written.
type Row struct {
	Learner string  `json:"learner"`
	Help    string  `json:"help"`
	Manner  string  `json:"manner"`
	Runs    int     `json:"runs"`
	Kept    []Entry `json:"kept"` // current records, each a run
}

// Saw is what the mat saw of a child at a place.
type Saw struct {
	Child string `json:"child"`
	Place string `json:"place"`
	Name  string `json:"name"` // of the place
	Text  string `json:"text"`
}

// Estimate is what a child said before the work, once for all.
type Estimate struct {
	Learner string `json:"learner"`
	Value   int    `json:"value"`
	Off     int    `json:"off"` // the distance from the result
}

// Observe is what is sent to record a child. Note is left out to keep a note
// that a correction does not touch.
type Observe struct {
	ID         string  `json:"id" validate:"required,uuid"`
	Learner    string  `json:"learner" validate:"required,uuid"`
	Nth        int     `json:"nth" validate:"min=0,max=99"`
	Answer     string  `json:"answer" validate:"max=200"`
	Came       string  `json:"came" validate:"required"`
	Help       string  `json:"help" validate:"required"`
	Manner     string  `json:"manner" validate:"required"`
	Way        string  `json:"way"`
	Chosen     bool    `json:"chosen"`
	Runs       int     `json:"runs" validate:"min=1"`
	Note       *string `json:"note,omitempty" validate:"omitempty,max=1000"`
	Day        string  `json:"day"`
	Replaces   string  `json:"replaces,omitempty" validate:"omitempty,uuid"`
	Withdrawn  bool    `json:"withdrawn,omitempty"`
	AnotherRun bool    `json:"anotherRun,omitempty"` // the child is recorded already: this is one more run
}

// Say is what is sent to lock an estimate.
type Say struct {
	Learner string `json:"learner" validate:"required,uuid"`
	Nth     int    `json:"nth" validate:"min=0,max=99"`
	Value   int    `json:"value" validate:"min=0,max=9999999"`
}

// HelpsOf lists the levels of help.
func HelpsOf() []Named {
	var out []Named
	for _, h := range book.Helps() {
		out = append(out, Named{string(h), say.Help(h)})
	}
	return out
}

// WaysOf lists the ways of working out, the unsaid one first.
func WaysOf() []Named {
	out := []Named{{"", say.Way("")}}
	for _, w := range book.Ways() {
		out = append(out, Named{string(w), say.Way(w)})
	}
	return out
}

// MannersOf lists the manners of a stage; all for a stage of no strand.
func MannersOf(id choose.StageID) []Named {
	manners := book.Manners()
	if stage, known := ladder.StageByID(id); known {
		manners = stage.Manners
	}
	var out []Named
	for _, m := range manners {
		out = append(out, Named{string(m), say.InManner(m)})
	}
	return out
}

// WorkedOf makes a task of a lesson. The rows begin as the mat saw the
// children: alone, in the manner of the material, unless an earlier task of the
// lesson says otherwise.
func WorkedOf(w say.Words, t task.Task, kind material.Kind, children []Learner, turns func(place.Place) int, kept, before []Entry) Worked {
	out := Worked{Text: w.Task(t), Numbers: []int{}, Answer: int(t.Right()[0]), Result: t.Result(), Rows: []Row{}, Estimates: []Estimate{}, Saw: []Saw{}}
	p, worked := problem.From(t)
	if worked {
		out.Sign, out.Numbers, out.Rests, out.Words = problem.Sign(p.Kind), ints(p.Numbers), p.Rests(), p.Answer().Words(w.And)
	}
	for _, c := range children {
		row := Row{Learner: c.ID, Help: string(book.Alone), Manner: string(usualManner(t, kind)), Runs: 1, Kept: []Entry{}}
		for _, e := range before {
			if e.Learner == c.ID && e.Current && !e.Withdrawn {
				row.Help, row.Manner = e.Help, e.Manner
			}
		}
		for _, e := range kept {
			if e.Learner == c.ID && e.Current && !undone(e) {
				row.Kept = append(row.Kept, e)
				row.Runs = max(row.Runs, e.Runs+1)
			}
		}
		out.Rows = append(out.Rows, row)
	}
	if !worked {
		return out
	}
	for _, c := range p.Columns() {
		if i := turns(c.Place); i >= 0 && i < len(children) {
			out.Saw = append(out.Saw, Saw{children[i].Name, c.Place.String(), w.PlaceMany(c.Place), w.Worked(p, c)})
		}
	}
	return out
}

// usualManner is how a problem is worked with a material: numbers too large for it
// are worked in the column.
func usualManner(t task.Task, kind material.Kind) book.Manner {
	p, worked := problem.From(t)
	switch {
	case worked && !material.CanLayOut(p.Reach()):
		return book.Column
	case kind.Drawn():
		return book.Drawn
	}
	return book.Pieces
}

// undone tells of a record that was taken back: the child waits to be written
// again. One withdrawn from the first says that there is nothing to write.
func undone(e Entry) bool { return e.Withdrawn && e.Replaces != "" }

// Today is what the morning asks for.
type Today struct {
	Waited    []Waited    `json:"waited"`
	Check     []Check     `json:"check"`
	Unwritten []Unwritten `json:"unwritten"`
	Meetings  []Meeting   `json:"meetings"` // lessons that suggest themselves
}

// Meeting is a lesson that suggests itself.
type Meeting struct {
	Stage    string    `json:"stage"`
	Name     string    `json:"name"`
	Example  string    `json:"example"`
	Children []Learner `json:"children"`
	Why      string    `json:"why"`
}

// Waited is a child who waits for a lesson.
type Waited struct {
	Learner
	Days  int    `json:"days"`
	Never bool   `json:"never"`
	Says  string `json:"says"`
}

// Check is a stage of a child that wants to be looked at.
type Check struct {
	Learner
	State string `json:"state"`
	What  string `json:"what"`
	Why   string `json:"why"`
}

// Unwritten is a lesson with children of whom nothing is written.
type Unwritten struct {
	Lesson string `json:"lesson"`
	Day    string `json:"day"`
	Names  string `json:"names"`
	What   string `json:"what"`
}
