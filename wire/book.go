package wire

import (
	"time"

	"vineswap/core/book"
	"vineswap/core/chain"
	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/lesson"
	"vineswap/core/number"
	"vineswap/core/numberrods"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/say"
	"vineswap/core/setting"
	"vineswap/core/snake"
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
	Part      []string `json:"part"`     // the places that were the child's own; none for the whole
	PartSays  string   `json:"partSays"` // and how that is said; empty for the whole
	Answer    string   `json:"answer"`
	Result    string   `json:"result"`  // the right one, as it is written
	Between   Named    `json:"between"` // what can stand between the parts of an answer, and its key; empty for one part
	Keys      []Key    `json:"keys"`    // answers of one touch, where it is not answered in figures
	Seen      []string `json:"seen"`    // slips that an adult sees in the moves, as they are written behind an answer
	Right     bool     `json:"right"`
	Slips     []string `json:"slips"` // what explains a wrong answer, in words
	Stage     string   `json:"stage"`
	StageName string   `json:"stageName"`
	Manner    string   `json:"manner"`
	InManner  string   `json:"inManner"`
	Manners   []Named  `json:"manners"` // of its stage
	Parts     []Named  `json:"parts"`   // the places of its task, in the order in which they are worked
	Help      string   `json:"help"`
	HelpSays  string   `json:"helpSays"`
	Way       string   `json:"way"`
	WayName   string   `json:"wayName"`
	Came      string   `json:"came"`
	CameSays  string   `json:"cameSays"` // how it came, where that bears on what it counts for
	Slate     bool     `json:"slate"`    // it stood on a slate, among those of the whole class
	Paper     bool     `json:"paper"`    // on a sheet, with no adult beside the child
	Chosen    bool     `json:"chosen"`
	Runs      int      `json:"runs"`
	Note      string   `json:"note"` // for the lead alone
	HasNote   bool     `json:"hasNote"`
	Day       string   `json:"day"`
	DaySays   string   `json:"daySays"`
	By        string   `json:"by"`
	At        string   `json:"at"` // the time of day at which it was seen, by the device's clock, or recorded
	Withdrawn bool     `json:"withdrawn"`
	Replaces  string   `json:"replaces,omitempty"`
	Current   bool     `json:"current"` // nothing replaces it
}

// Recorded is what is kept of a record that was sent, as it is judged.
type Recorded struct {
	Entry   Entry  `json:"entry"`
	Written bool   `json:"written"` // it leaves something written of the child at its task
	Notice  string `json:"notice"`  // what is to be said of it
}

// EntryPart is some records of a child, the newest first.
type EntryPart struct {
	Entries []Entry `json:"entries"` // corrected and withdrawn ones too
	More    bool    `json:"more"`    // there are older ones
}

// Kept is a record with who recorded it and when.
type Kept struct {
	book.Record
	Note, By string
	Current  bool
	At       time.Time // in the class's zone
}

// EntryOf makes a record; notes are for the lead alone.
func EntryOf(w say.Words, k Kept, today book.Day, lead bool) Entry {
	stage := ladder.Credit(k.Task, k.Stage)
	e := Entry{
		ID: k.ID, Learner: k.Learner, Lesson: k.Lesson, Task: w.Task(k.Task), Nth: k.Nth, Answer: k.Answer, Result: k.Task.Result(), Between: between(k.Task), Keys: []Key{}, Seen: seenOf(k.Task),
		Part: placesOf(k.Part), PartSays: w.Part(k.Part), Parts: PartsOf(w, k.Task),
		Right: k.Right(), Slips: []string{}, Stage: string(stage), StageName: w.Stage(stage), Manner: string(k.Manner), InManner: say.InManner(k.Manner), Manners: MannersOf(stage),
		Help: string(k.Help), HelpSays: say.Help(k.Help), Way: string(k.Way), WayName: say.Way(k.Way), Came: string(k.Came), CameSays: say.Came(k.Came), Slate: k.Whole, Paper: k.Paper, Chosen: k.Chosen, Runs: k.Runs, HasNote: k.Note != "",
		Day: k.Day.String(), DaySays: say.ShortDay(k.Day, today), By: k.By, At: k.At.Format("15:04"), Withdrawn: k.Withdrawn, Replaces: k.Replaces, Current: k.Current,
	}
	if lead {
		e.Note = k.Note
	}
	if a, of := number.From(k.Task); of {
		e.Keys = keysOf(w, a)
	}
	if e.Right {
		return e
	}
	for _, id := range k.Task.Explains(k.Answer) {
		e.Slips = append(e.Slips, say.Slip(id))
	}
	return e
}

// placesOf names the places of a set, from the ones up.
func placesOf(s place.Set) []string {
	names := []string{}
	for _, p := range s.Places() {
		names = append(names, p.String())
	}
	return names
}

// PartsOf lists the places in which a task is worked, in their order.
func PartsOf(w say.Words, t task.Task) []Named {
	parts := []Named{}
	for _, p := range t.Parts() {
		parts = append(parts, Named{p.String(), w.PlaceMany(p)})
	}
	return parts
}

// between is what can stand between the parts of an answer to a task, and what its key is
// called.
func between(t task.Task) Named {
	if p, of := problem.From(t); of && p.Rests() {
		return Named{" r ", "remainder"}
	}
	if a, of := number.From(t); of {
		switch a.Answered {
		case number.InParts:
			return Named{" + ", "+"}
		case number.Order:
			return Named{", ", "next number"}
		case number.InUnits:
			if len(a.Right()) > 2 {
				return Named{", ", "next kind"}
			}
			return Named{" tens ", "tens"}
		}
	}
	return Named{}
}

// Record is the page on which a lesson is written up.
type Record struct {
	Link     LessonLink `json:"link"`
	Revision int        `json:"revision"`
	Index    int        `json:"index"` // the task in hand
	Children []Learner  `json:"children"`
	Tasks    []Worked   `json:"tasks"`
	Helps    []Named    `json:"helps"`
	Ways     []Named    `json:"ways"`
	Day      string     `json:"day"`     // of the lesson
	Today    string     `json:"today"`   // no record is of a later day
	More     bool       `json:"more"`    // another task like the one in hand can be drawn
	MoreFor  string     `json:"moreFor"` // whose lack it is drawn for, and which; empty for nobody's

	Slips map[string]SlipSays `json:"slips"` // what is said of each slip that explains a wrong answer
}

// Worked is one task of a lesson with what is written of it.
type Worked struct {
	Text      string       `json:"text"`
	Sign      string       `json:"sign"`
	Numbers   []int        `json:"numbers"`
	Answer    int          `json:"answer"`        // the number that comes out, to draw estimates beside
	Result    string       `json:"result"`        // as it is written: "24 rest 1"
	Between   Named        `json:"between"`       // what can stand between the parts of an answer, and its key; empty for one part
	One       *One         `json:"one,omitempty"` // of a number that is asked alone
	Snake     *Snake       `json:"snake,omitempty"`
	Chain     *Chain       `json:"chain,omitempty"`
	Rods      *Rods        `json:"rods,omitempty"`
	Seen      []string     `json:"seen"` // slips that an adult sees in the moves
	Words     string       `json:"words"`
	Manners   []Named      `json:"manners"` // of its stage
	Parts     []Named      `json:"parts"`   // the places in which it is worked, in their order; none where it is not
	Rows      []Row        `json:"rows"`    // one for each child
	Estimates []Estimate   `json:"estimates"`
	Counts    []TimedCount `json:"counts"` // how long it was counted, each time
	Saw       []Saw        `json:"saw"`
	Wrong     []Gave       `json:"wrong"` // the answers that slips explain
}

// Row is a child at a problem: how it would be written by one touch, and what is
// written.
type Row struct {
	Learner string   `json:"learner"`
	Part    []string `json:"part"` // the places that were the child's own; none for the whole
	Turn    bool     `json:"turn"` // it had a turn
	Saw     string   `json:"saw"`  // how the mat saw it, as it is said
	Help    string   `json:"help"`
	Manner  string   `json:"manner"`
	Runs    int      `json:"runs"`
	Written bool     `json:"written"` // something is written, or that there is nothing to write
	Kept    []Entry  `json:"kept"`    // current records, each a run
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
	ID         string   `json:"id" validate:"required,uuid"`
	Learner    string   `json:"learner" validate:"required,uuid"`
	Nth        int      `json:"nth" validate:"min=0,max=99"`
	Part       []string `json:"part,omitempty" validate:"max=7"` // the places that were the child's own; none for the whole
	Answer     string   `json:"answer" validate:"max=200"`
	Came       string   `json:"came" validate:"required"`
	Help       string   `json:"help" validate:"required"`
	Manner     string   `json:"manner" validate:"required"`
	Way        string   `json:"way"`
	Chosen     bool     `json:"chosen"`
	Runs       int      `json:"runs" validate:"min=1"`
	Note       *string  `json:"note,omitempty" validate:"omitempty,max=1000"`
	Day        string   `json:"day"`
	Replaces   string   `json:"replaces,omitempty" validate:"omitempty,uuid"`
	Withdrawn  bool     `json:"withdrawn,omitempty"`
	SeenAt     string   `json:"seenAt,omitempty" validate:"omitempty,datetime=2006-01-02T15:04:05Z07:00"` // by the device's clock
	AnotherRun bool     `json:"anotherRun,omitempty"`                                                     // the child is recorded already: this is one more run
}

// TimedCount is how many seconds a child took to count, once.
type TimedCount struct {
	Learner string `json:"learner"`
	Seconds int    `json:"seconds"`
}

// Timed is what is sent to keep how long a child took to count.
type Timed struct {
	ID      string `json:"id" validate:"required,uuid"`
	Learner string `json:"learner" validate:"required,uuid"`
	Nth     int    `json:"nth" validate:"min=0,max=99"`
	Seconds int    `json:"seconds" validate:"min=1,max=3600"`
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

// WaysOf lists the ways of working out and of seeing, the unsaid one first.
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

// WorkedOf makes a task of a lesson with its rows; the entries are those of the
// whole lesson. What is said of the slips that wrong answers would show is noted.
func WorkedOf(class setting.Class, l lesson.Lesson, nth int, children []Learner, rows []lesson.Row, entries map[string]Entry, says map[string]SlipSays) Worked {
	t, w := l.Items[nth].Task, class.Words()
	out := Worked{Text: w.Task(t), Numbers: []int{}, Answer: int(lesson.First(t)), Result: t.Result(), Between: between(t), Rows: []Row{}, Estimates: []Estimate{}, Counts: []TimedCount{}, Saw: []Saw{}}
	out.Seen = seenOf(t)
	out.Wrong = gavesOf(class, t, says)
	out.Manners, out.Parts = MannersOf(ladder.Credit(t, l.Items[nth].Stage)), PartsOf(w, t)
	if p, of := problem.From(t); of {
		out.Sign, out.Numbers, out.Words = problem.Sign(p.Kind), ints(p.Numbers), p.Answer().Words(w.And)
	}
	if a, of := number.From(t); of {
		if one, err := oneOf(class, a); err == nil {
			out.One, out.Words = &one, w.Number(a.Said())
		}
	}
	if s, of := snake.From(t); of {
		out.Snake, out.Words = snakeOf(w, s), w.Number(place.Number(s.Total()))
	}
	if c, of := chain.From(t); of {
		out.Chain = chainOf(c)
	}
	if r, of := numberrods.From(t); of {
		out.Rods = rodsOf(r)
	}
	for _, r := range rows {
		row := Row{Learner: r.Child, Part: placesOf(r.Part), Turn: r.Turn, Saw: say.Seen(string(r.Saw), r.Turn), Help: string(r.Help), Manner: string(r.Manner), Runs: r.Runs, Written: r.Written(), Kept: []Entry{}}
		for _, k := range r.Kept {
			row.Kept = append(row.Kept, entries[k.ID])
		}
		out.Rows = append(out.Rows, row)
	}
	for _, s := range l.Saw(nth, w) {
		out.Saw = append(out.Saw, Saw{children[s.Child].Name, s.Place.String(), w.PlaceMany(s.Place), s.Text})
	}
	return out
}

// Today is what the morning asks for.
type Today struct {
	Waited    []Waited      `json:"waited"`
	Check     []Check       `json:"check"`
	Unwritten []Unwritten   `json:"unwritten"`
	Meetings  []Meeting     `json:"meetings"` // lessons that suggest themselves
	Done      []LessonBrief `json:"done"`     // lessons of today that have ended, the newest first
	Away      []string      `json:"away"`     // the ids of the children who are not here today
	Off       []Off         `json:"off"`      // lessons that were put off today
	Whys      []Named       `json:"whys"`     // why a lesson can be put off
	Minutes   int           `json:"minutes"`  // that there are for lessons; 0 where nobody said
	Helpers   int           `json:"helpers"`  // adults who hold lessons besides the guide
}

// SetAway says that a child is not here today, or is.
type SetAway struct {
	Learner string `json:"learner" validate:"required,uuid"`
	Away    bool   `json:"away"`
}

// LessonBrief is a lesson that has ended, in a list.
type LessonBrief struct {
	ID       string   `json:"id"`
	At       string   `json:"at"`       // the time of day at which it ended
	Children []string `json:"children"` // names
	Tasks    []string `json:"tasks"`
	Stage    string   `json:"stage"` // the name of that of its first task
	Whole    bool     `json:"whole"` // it was for the whole class
}

// LessonDay is the lessons of a day.
type LessonDay struct {
	Day     string        `json:"day"`
	Says    string        `json:"says"`
	Before  string        `json:"before"` // the day before it that has lessons; empty for none
	After   string        `json:"after"`  // and the day after it, today at the latest
	Lessons []LessonBrief `json:"lessons"`
}

// LessonDayOf makes the lessons of a day; the days are those with lessons, the
// newest first.
func LessonDayOf(day, today book.Day, days []book.Day, list []LessonBrief) LessonDay {
	out := LessonDay{Day: day.String(), Says: say.ShortDay(day, today), Lessons: list}
	for _, d := range days {
		if d > day {
			out.After = d.String()
		}
		if d < day && out.Before == "" {
			out.Before = d.String()
		}
	}
	if out.After == "" && day < today {
		out.After = today.String()
	}
	return out
}

// LessonBriefOf makes a lesson that has ended.
func LessonBriefOf(w say.Words, id string, l lesson.Lesson, children []lesson.Child, at time.Time) LessonBrief {
	out := LessonBrief{ID: id, At: at.Format("15:04"), Children: []string{}, Tasks: []string{}, Whole: l.Whole, Stage: stageName(w, l.Items[0].Task, l.Items[0].Stage)}
	for _, c := range children {
		out.Children = append(out.Children, c.Name)
	}
	for _, item := range l.Items {
		if l.Whole {
			out.Tasks = append(out.Tasks, w.TaskShort(item.Task))
			continue
		}
		out.Tasks = append(out.Tasks, w.Task(item.Task))
	}
	return out
}

// Meeting is a lesson that suggests itself.
type Meeting struct {
	Stage   string    `json:"stage"`
	Manner  string    `json:"manner"`
	Leaving bool      `json:"leaving"` // material is left: one task with pieces, one in this manner
	Name    string    `json:"name"`    // with the manner
	Tasks   []NewTask `json:"tasks"`   // that it is opened with
	Shown   []Begun   `json:"shown"`   // and how they are said
	Minutes string    `json:"minutes"` // that it takes, as it is said
	Fits    bool      `json:"fits"`    // into the day
	Again   string    `json:"again"`   // when it was put off, and why; empty for one that was not
	Seats   []Seat    `json:"seats"`
	Why     string    `json:"why"`
}

// Begun is a task that a lesson begins with, and how it is worked.
type Begun struct {
	Task    string `json:"task"`
	Numbers []int  `json:"numbers"` // of a problem; none of a number that is asked alone
	Sign    string `json:"sign"`
	Built   []int  `json:"built"` // the numbers that are built or drawn of it
	Manner  string `json:"manner"`
	Says    string `json:"says"` // the manner in words
}

// Seat is a child at a lesson, and why it sits there.
type Seat struct {
	Learner
	Why   string `json:"why"`
	InRow int    `json:"inRow"` // how many of the last were right alone, where material is left
	Last  string `json:"last"`  // and the last day of them
}

// SetDay says how many minutes there are for lessons, 0 for not said, and how many adults help.
type SetDay struct {
	Minutes int `json:"minutes" validate:"min=0,max=600"`
	Helpers int `json:"helpers" validate:"min=0,max=5"`
}

// PutOff puts a suggested lesson off, or takes that back.
type PutOff struct {
	Stage    string   `json:"stage" validate:"required"`
	Manner   string   `json:"manner" validate:"required"`
	Leaving  bool     `json:"leaving"`
	Children []string `json:"children" validate:"required,min=1,max=4,dive,uuid"`
	Off      bool     `json:"off"`
	Why      string   `json:"why"`
}

// Off is a lesson that was put off today.
type Off struct {
	Stage    string   `json:"stage"`
	Manner   string   `json:"manner"`
	Leaving  bool     `json:"leaving"`
	Children []string `json:"children"` // ids
	Says     string   `json:"says"`
}

// Week is who was seen on which of the last five school days, those who were seen least
// first.
type Week struct {
	Days []string  `json:"days"` // "Mon 23"
	Now  int       `json:"now"`  // which of them is today; -1 on a weekend
	Rows []WeekRow `json:"rows"`
}

// WeekRow is on which of the days a child was seen.
type WeekRow struct {
	Learner
	Seen []bool `json:"seen"`
	Days int    `json:"days"`
	Away bool   `json:"away"` // today
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

// seenOf are the slips of a task that an adult sees in the moves.
func seenOf(t task.Task) []string {
	if s, of := snake.From(t); of {
		return s.Seen()
	}
	return []string{}
}
