package wire

import (
	"fmt"
	"strings"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/number"
	"vineswap/core/problem"
	"vineswap/core/say"
	"vineswap/core/setting"
	"vineswap/core/sheet"
	"vineswap/core/task"
)

// SheetKind is a kind of sheet that can be printed.
type SheetKind struct {
	Kind     string  `json:"kind"`
	Name     string  `json:"name"`
	Counts   []int   `json:"counts"` // how many tasks it can have; none for a kind without
	Usual    int     `json:"usual"`
	Each     bool    `json:"each"`     // each child can have numbers of its own
	Columns  bool    `json:"columns"`  // it can have boxes for what comes up and marks of the places
	Drawings bool    `json:"drawings"` // it can have room for quick drawings
	Typed    bool    `json:"typed"`    // it takes numbers of the guide's own
	Strands  []Named `json:"strands"`
	Stages   []Named `json:"stages"`
}

// Sheets is the view in which sheets are printed.
type Sheets struct {
	Kinds    []SheetKind `json:"kinds"`
	Facts    []Named     `json:"facts"`
	Keys     []Named     `json:"keys"`
	Papers   []Named     `json:"papers"`
	Children []Learner   `json:"children"` // who is in the class
	Away     []string    `json:"away"`
	Out      []SheetOut  `json:"out"` // whose answers can be typed, the last printed first
}

// SheetOut is a sheet that was printed.
type SheetOut struct {
	ID       string `json:"id"`
	Code     string `json:"code"`
	Kind     string `json:"kind"`
	Name     string `json:"name"`
	Day      string `json:"day"` // as it is said
	Children int    `json:"children"`
	Typed    int    `json:"typed"`
	Says     string `json:"says"` // "5 of 12 typed"
}

// SheetsOf makes the view of a class.
func SheetsOf(class setting.Class) Sheets {
	out := Sheets{Kinds: []SheetKind{}, Facts: []Named{}, Keys: []Named{}, Papers: []Named{}, Children: []Learner{}, Away: []string{}, Out: []SheetOut{}}
	w, limit := class.Words(), class.Range.Limit()
	for _, k := range sheet.Kinds() {
		kind := SheetKind{Kind: string(k), Name: say.Sheet(string(k)), Each: k.Each(), Columns: k.HasColumns(), Drawings: k.HasRoom(), Typed: k.TakesTyped(), Counts: []int{}, Strands: []Named{}, Stages: []Named{}}
		counts, usual := k.Counts()
		kind.Counts, kind.Usual = append(kind.Counts, counts...), usual
		var strands []ladder.Strand
		for _, id := range k.Stages() {
			if known, _ := ladder.StageByID(id); !known.Within(limit) {
				continue
			}
			kind.Stages = append(kind.Stages, Named{string(id), w.Stage(id)})
			if s := ladder.StrandOf(id); len(strands) == 0 || strands[len(strands)-1] != s {
				strands = append(strands, s)
				kind.Strands = append(kind.Strands, Named{string(s), say.StrandHeading(s)})
			}
		}
		out.Kinds = append(out.Kinds, kind)
	}
	for _, f := range sheet.AllFacts() {
		out.Facts = append(out.Facts, Named{string(f), say.MinuteFacts(string(f))})
	}
	for _, k := range sheet.Keys() {
		out.Keys = append(out.Keys, Named{string(k), say.KeyPlace(string(k))})
	}
	for _, p := range sheet.Papers() {
		out.Papers = append(out.Papers, Named{string(p), say.Paper(string(p))})
	}
	return out
}

// AskSheet asks for sheets: to look at one, or to print all.
type AskSheet struct {
	ID       string         `json:"id,omitempty" validate:"omitempty,uuid"` // under which it is kept when it is printed
	Kind     string         `json:"kind" validate:"required,max=20"`
	Paper    string         `json:"paper" validate:"required,max=10"`
	Key      string         `json:"key" validate:"required,max=10"`
	Count    int            `json:"count" validate:"min=0,max=99"`
	Boxes    bool           `json:"boxes"`
	Signs    bool           `json:"signs"`
	Room     bool           `json:"room"` // for quick drawings
	Strand   string         `json:"strand" validate:"max=20"`
	Stage    string         `json:"stage" validate:"max=60"` // empty for each child's own
	Facts    string         `json:"facts" validate:"max=20"`
	Days     int            `json:"days" validate:"min=0,max=999"` // what a child had within so many days is left out
	Seed     int            `json:"seed" validate:"min=0,max=999999999"`
	Alike    bool           `json:"alike"`                                      // all children have the same tasks
	Tasks    string         `json:"tasks" validate:"max=400"`                   // of the guide's own: "47+25; 503-128"
	Children []string       `json:"children" validate:"max=60"`                 // for whom; none for a sheet without a name
	Again    map[string]int `json:"again" validate:"max=60"`                    // how often other numbers were asked for, by the child
	Child    string         `json:"child,omitempty" validate:"omitempty,uuid"`  // whose sheet is looked at
	Lesson   string         `json:"lesson,omitempty" validate:"omitempty,uuid"` // whose tasks a gather list and a strip have
}

// Spec is the sheet that is asked for.
func (a AskSheet) Spec() sheet.Spec {
	return sheet.Spec{
		Kind: sheet.Kind(a.Kind), Paper: sheet.Paper(a.Paper), Key: sheet.Key(a.Key), Count: a.Count, Boxes: a.Boxes, Signs: a.Signs, Room: a.Room,
		Strand: ladder.Strand(a.Strand), Stage: choose.StageID(a.Stage), Facts: sheet.Facts(a.Facts), Days: a.Days, Seed: uint64(max(0, a.Seed)),
	}
}

// SheetLook is a sheet as it will be printed, and for whom.
type SheetLook struct {
	Pages     []string     `json:"pages"` // as SVG, a mm to a unit
	Title     string       `json:"title"` // whose sheet is shown
	Stands    string       `json:"stands"`
	Says      string       `json:"says"` // what is on it
	Groups    []SheetGroup `json:"groups"`
	Sheets    int          `json:"sheets"`    // how many are printed
	Unprinted []string     `json:"unprinted"` // names of which a letter cannot be printed
}

// SheetGroup is the children who have a sheet of one stage.
type SheetGroup struct {
	Stage    string       `json:"stage"`
	Name     string       `json:"name"`
	Children []SheetChild `json:"children"`
}

// SheetChild is a child with a sheet.
type SheetChild struct {
	ID    string `json:"id"`
	Name  string `json:"name"`
	State string `json:"state"` // how it stands at the stage
	Says  string `json:"says"`
}

// GroupsOf puts children together by the stages of their sheets, the furthest first.
func GroupsOf(w say.Words, names []Learner, stands map[string]sheet.Stand, kind sheet.Kind) []SheetGroup {
	groups := []SheetGroup{}
	stages := kind.Stages()
	for i := len(stages) - 1; i >= 0; i-- {
		g := SheetGroup{Stage: string(stages[i]), Name: w.Stage(stages[i]), Children: []SheetChild{}}
		for _, l := range names {
			if st, has := stands[l.ID]; has && st.Stage == stages[i] {
				g.Children = append(g.Children, SheetChild{l.ID, l.Name, string(st.State), say.State(st.State)})
			}
		}
		if len(g.Children) > 0 {
			groups = append(groups, g)
		}
	}
	return groups
}

// StandSays says where a child stands for its sheet.
func StandSays(w say.Words, st sheet.Stand, spec sheet.Spec, of []sheet.Item) string {
	if len(of) == 0 {
		return ""
	}
	text := w.Stage(st.Stage)
	if st.State == ladder.NotYet {
		return text + ": nothing recorded yet"
	}
	return text + ": " + say.State(st.State) + ", " + say.InManner(st.Lobe.Manner)
}

// OnItSays says what is on a sheet: how many tasks of which stage, and what is left out.
func OnItSays(w say.Words, items []sheet.Item, st sheet.Stand, name string, days int) string {
	counts, order := map[choose.StageID]int{}, []choose.StageID{}
	for _, part := range st.Parts {
		order = append(order, part.Stage)
	}
	for _, item := range items {
		counts[item.Stage]++
	}
	var parts []string
	for _, id := range order {
		if n := counts[id]; n > 0 {
			parts = append(parts, fmt.Sprintf("%d of %s", n, w.Stage(id)))
		}
	}
	text := say.TasksOnIt(len(items))
	if len(parts) > 1 {
		text += ": " + say.Listed(parts)
	}
	text += "."
	if days > 0 && name != "" {
		text += " " + say.NoneHad(name, days)
	}
	if len(st.Slips) > 0 {
		text += " " + say.BringsOut(st.Slips)
	}
	return text
}

// SheetPrinted is a line of the answer while sheets are printed: how far it is, at last the
// file, or what went wrong.
type SheetPrinted struct {
	Done    int      `json:"done"`
	Of      int      `json:"of"`
	File    string   `json:"file,omitempty"` // the PDF in base64, when it is done
	Name    string   `json:"name,omitempty"` // of the file
	Code    string   `json:"code,omitempty"`
	Trouble *Trouble `json:"trouble,omitempty"`
}

// SheetAnswers is a sheet whose answers are typed.
type SheetAnswers struct {
	Sheet    SheetOut    `json:"sheet"`
	Each     bool        `json:"each"`    // each child has numbers of its own
	Minute   bool        `json:"minute"`  // how many were tried and right is typed
	Facts    string      `json:"facts"`   // of a minute
	Printed  string      `json:"printed"` // the day on which it was printed
	Today    string      `json:"today"`
	Children []AnswerRow `json:"children"`
	Left     []string    `json:"left"`    // what is to be known of children who are gone
	Between  Named       `json:"between"` // what can stand between the parts of an answer
}

// AnswerRow is the answers of a child.
type AnswerRow struct {
	ID      string       `json:"id"`
	Name    string       `json:"name"`
	Here    bool         `json:"here"` // it is in the class
	Missing bool         `json:"missing"`
	Cells   []AnswerCell `json:"cells"`
	Minute  *MinuteRow   `json:"minute,omitempty"`
}

// AnswerCell is a task of a child's sheet with the answer that is kept.
type AnswerCell struct {
	Text   string      `json:"text"`
	Key    string      `json:"key"`
	Result string      `json:"result"`
	Also   string      `json:"also"` // as it is typed in short; empty for no other way
	Kept   *KeptAnswer `json:"kept,omitempty"`
}

// KeptAnswer is an answer in the book.
type KeptAnswer struct {
	Record string `json:"record"` // its id
	Answer string `json:"answer"` // empty for none
	Right  bool   `json:"right"`
	Turned bool   `json:"turned"` // a digit stood back to front
	Day    string `json:"day"`
}

// MinuteRow is the minutes of a child with the same facts, and the one that is typed here.
type MinuteRow struct {
	Before []MinuteDone `json:"before"` // the last times, oldest first
	Kept   *MinuteDone  `json:"kept,omitempty"`
}

// MinuteDone is a minute that is kept.
type MinuteDone struct {
	ID    string `json:"id"`
	Day   string `json:"day"`
	Tried int    `json:"tried"`
	Right int    `json:"right"`
}

// AnswerHelp is what the answers to a child's tasks would show.
type AnswerHelp struct {
	Tasks []AnswerTask        `json:"tasks"`
	Slips map[string]SlipSays `json:"slips"`
}

// AnswerTask is one of them.
type AnswerTask struct {
	Numbers []int  `json:"numbers"` // of a sum or a difference, to be written in a column
	Sign    string `json:"sign"`
	Wrong   []Gave `json:"wrong"`
}

// KeepAnswers keeps answers of one child to a sheet.
type KeepAnswers struct {
	ID      string      `json:"id" validate:"required,uuid"` // of the sending, for the row of what waits
	Learner string      `json:"learner" validate:"required,uuid"`
	Day     string      `json:"day" validate:"max=10"`
	Answers []OneAnswer `json:"answers" validate:"min=1,max=40,dive"`
	SeenAt  string      `json:"seenAt,omitempty" validate:"omitempty,datetime=2006-01-02T15:04:05Z07:00"`
}

// OneAnswer is an answer to one task.
type OneAnswer struct {
	ID       string `json:"id" validate:"required,uuid"`
	Nth      int    `json:"nth" validate:"min=0,max=99"`
	Answer   string `json:"answer" validate:"max=40"`
	Turned   bool   `json:"turned,omitempty"` // a digit stood back to front: the answer is the right one
	Wiped    bool   `json:"wiped,omitempty"`  // what was typed is taken back
	Replaces string `json:"replaces,omitempty" validate:"omitempty,uuid"`
}

// KeptAnswers is a child's row after answers were kept.
type KeptAnswers struct {
	Row    AnswerRow `json:"row"`
	Sheet  SheetOut  `json:"sheet"`
	Notice string    `json:"notice"`
}

// SetMissing says that a child did not hand its sheet in, or did.
type SetMissing struct {
	Learner string `json:"learner" validate:"required,uuid"`
	Missing bool   `json:"missing"`
}

// KeepMinute keeps a minute of facts of a child.
type KeepMinute struct {
	ID       string `json:"id" validate:"required,uuid"`
	Learner  string `json:"learner" validate:"required,uuid"`
	Sheet    string `json:"sheet,omitempty" validate:"omitempty,uuid"`
	Facts    string `json:"facts" validate:"required,max=20"`
	Seconds  int    `json:"seconds" validate:"min=0,max=9999"`
	Tried    int    `json:"tried" validate:"min=0,max=9999"`
	Right    int    `json:"right" validate:"min=0,max=9999"`
	Day      string `json:"day" validate:"max=10"`
	Replaces string `json:"replaces,omitempty" validate:"omitempty,uuid"`
}

// Minutes is the minutes of facts of a class.
type Minutes struct {
	Facts    string      `json:"facts"`
	Choices  []Named     `json:"choices"`
	Seconds  int         `json:"seconds"`
	Today    string      `json:"today"`
	Children []AnswerRow `json:"children"`
}

// NewImport begins a file of answers that is read in.
type NewImport struct {
	ID    string `json:"id" validate:"required,uuid"`
	Bytes int    `json:"bytes" validate:"min=0,max=999999999"`
}

// ImportPart is a part of such a file.
type ImportPart struct {
	Nth  int    `json:"nth" validate:"min=0,max=9999"`
	Data []byte `json:"data" validate:"required"` // in base64
}

// ReadImport asks what a file says, or takes it over.
type ReadImport struct {
	Code string `json:"code" validate:"max=12"` // of the sheet that it has the answers to; empty for none
	Keep string `json:"keep" validate:"omitempty,oneof=good all"`
}

// Imported is a line of the answer while a file is read or taken over; the last has all.
type Imported struct {
	Phase   string    `json:"phase"` // "read" or "keep"
	Done    int       `json:"done"`
	Of      int       `json:"of"`
	Ended   bool      `json:"ended"`
	Good    int       `json:"good"`
	Bad     int       `json:"bad"`
	Lines   []BadLine `json:"lines"` // the first that cannot be kept
	Kept    bool      `json:"kept"`
	Says    string    `json:"says"`
	Trouble *Trouble  `json:"trouble,omitempty"`
}

// BadLine is a line that cannot be kept.
type BadLine struct {
	Line int    `json:"line"`
	Who  string `json:"who"`
	Why  string `json:"why"`
}

// SheetOutOf makes a sheet that is out.
func SheetOutOf(id, code string, kind sheet.Kind, day, today book.Day, children, typed int) SheetOut {
	return SheetOut{ID: id, Code: code, Kind: string(kind), Name: say.Sheet(string(kind)), Day: say.ShortDay(day, today), Children: children, Typed: typed, Says: say.TypedOf(typed, children)}
}

// CellOf makes a task of a child's sheet.
func CellOf(w say.Words, t task.Task) AnswerCell {
	text := w.TaskShort(t)
	if a, is := number.From(t); is {
		text = w.Numeral(a.Number)
	}
	cell := AnswerCell{Text: strings.Join(strings.Fields(text), ""), Key: t.Key(), Result: t.Result()}
	if short, cut := strings.CutSuffix(cell.Result, " ones"); cut && t.IsRight(short) {
		cell.Also = short
	}
	return cell
}

// HelpOf makes what the answers to some tasks would show.
func HelpOf(class setting.Class, items []sheet.Item) AnswerHelp {
	out := AnswerHelp{Tasks: []AnswerTask{}, Slips: map[string]SlipSays{}}
	for _, item := range items {
		made := AnswerTask{Numbers: []int{}, Wrong: gavesOf(class, item.Task, out.Slips)}
		if p, is := problem.From(item.Task); is && (p.Kind == problem.Sum || p.Kind == problem.Difference) {
			made.Numbers, made.Sign = ints(p.Numbers), problem.Sign(p.Kind)
		}
		out.Tasks = append(out.Tasks, made)
	}
	return out
}

// BetweenOf is what can stand between the parts of an answer to a task.
func BetweenOf(t task.Task) Named { return between(t) }

// ImportSays says what a file came to.
func ImportSays(good, bad int, kept bool) string { return say.Import(good, bad, kept) }
