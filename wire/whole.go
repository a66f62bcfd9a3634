package wire

import (
	"slices"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/lesson"
	"vineswap/core/number"
	"vineswap/core/opener"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/say"
	"vineswap/core/setting"
	"vineswap/core/slip"
	"vineswap/core/task"
	"vineswap/core/turns"
)

// Flash is for how long, and how often, a number is shown before it is covered.
type Flash struct {
	Tenths  int    `json:"tenths" validate:"min=0,max=1000"` // of a second
	Times   int    `json:"times" validate:"min=0,max=9"`
	Says    string `json:"says,omitempty"`
	Covered int    `json:"covered,omitempty"` // ms between one showing and the next
}

func flashOf(f *opener.Flash) *Flash {
	if f == nil {
		return nil
	}
	return &Flash{f.Tenths, f.Times, say.FlashSays(*f), int(opener.Covered.Milliseconds())}
}

// SpotSlip is worked examples in one of which a slip may be planted.
type SpotSlip struct {
	Examples []SpotExample `json:"examples"`
	Planted  string        `json:"planted"` // the letter of the example, or "none"
	Says     string        `json:"says"`    // which slip it is
}

// SpotExample is one of them, as it stands on paper.
type SpotExample struct {
	Letter string `json:"letter"`
	Sheet  Sheet  `json:"sheet"`
	Right  string `json:"right"` // what would be right
}

func spotOf(class setting.Class, s opener.Spot) SpotSlip {
	out := SpotSlip{Examples: []SpotExample{}, Planted: s.Write(s.Right()), Says: say.PlantedSays(s.Write(s.Right()), s.Slip)}
	for i := range s.Numbers {
		sheet := class.Notation().Slipped(s.Operation(), s.Written(i))
		out.Examples = append(out.Examples, SpotExample{s.Write(task.Answer{place.Number(i + 1)}), sheetOf(sheet), s.Problem(i).Result()})
	}
	return out
}

// RoundNow is how far a whole class has come with the task in hand.
type RoundNow struct {
	Pace   string    `json:"pace"`
	Shown  int       `json:"shown"` // how often the flash was shown
	Flash  *Flash    `json:"flash,omitempty"`
	Slated bool      `json:"slated"` // it is answered on slates
	Laid   bool      `json:"laid"`   // or pushed, not written
	Paces  []PaceSay `json:"paces"`  // that this task has, in order
}

// PaceSay is something that a whole class does.
type PaceSay struct {
	ID   string `json:"id"`
	Name string `json:"name"` // among all that is done
	Says string `json:"says"` // to the class
	Do   string `json:"do"`   // on the button that leads there
}

func roundOf(l lesson.Lesson) *RoundNow {
	if !l.Whole {
		return nil
	}
	item := l.Current()
	out := RoundNow{Pace: string(l.Round.Pace), Shown: l.Round.Shown, Flash: flashOf(item.Flash), Slated: item.Slated(), Paces: []PaceSay{}}
	if a, of := number.From(item.Task); of {
		out.Laid = a.Laid()
	}
	for _, p := range item.Paces() {
		words := say.Pace(string(p), item.Task)
		out.Paces = append(out.Paces, PaceSay{string(p), words.Name, words.Says, words.Do})
	}
	return &out
}

// Moment is where the lesson in somebody's hand stands: what a screen that follows it is told.
type Moment struct {
	Lesson   string `json:"lesson"` // empty for none
	Revision int    `json:"revision"`
	Nth      int    `json:"nth"`
	At       string `json:"at"`
	Stand    string `json:"stand"`
	Material string `json:"material"`
	Pace     string `json:"pace"`
	Shown    int    `json:"shown"`
	Rounds   int    `json:"rounds"` // how many of its rounds are kept
}

// Projector is all that the class's window shows: no child of the class is in it.
type Projector struct {
	Pass     string  `json:"pass"` // with which the window asks again
	Words    Words   `json:"words"`
	Palette  Palette `json:"palette"`
	Moment   Moment  `json:"moment"`
	Lesson   *Lesson `json:"lesson,omitempty"` // the one in the guide's hand; none where there is none
	Progress Named   `json:"progress"`         // which of the tasks it is, as it is said; its id is the number of them
}

// ProjectorCode opens the class's window.
type ProjectorCode struct {
	Code string `json:"code"`
}

// RenewCode asks for the code of the class's window, or for another one.
type RenewCode struct {
	Renew bool `json:"renew"`
}

// Slates is the class as it sits, at the task in hand of a lesson for all.
type Slates struct {
	Nth      int                 `json:"nth"`
	Right    string              `json:"right"`    // what is right, as it is written
	Reversed string              `json:"reversed"` // its digits in reverse; empty where it has none
	Between  Named               `json:"between"`  // what can stand between the parts of an answer
	Keys     []Key               `json:"keys"`     // answers of one touch
	Children []SlateChild        `json:"children"`
	Plan     int                 `json:"plan"` // revision of the seat plan
	Queue    []TurnSay           `json:"queue"`
	Says     string              `json:"says"` // how many have not explained
	Ways     []Named             `json:"ways"` // how it can be seen or worked out, the likely ones first
	Glances  []string            `json:"glances"`
	Marks    []Named             `json:"marks"`
	Wrong    []Gave              `json:"wrong"`
	Slips    map[string]SlipSays `json:"slips"`
	Kept     *KeptRound          `json:"kept,omitempty"` // where the round is kept
	Rounds   []RoundSay          `json:"rounds"`         // of all tasks
	Code     string              `json:"code"`           // of the class's window; empty where it has none
}

// SlateChild is a child on its seat.
type SlateChild struct {
	Learner
	X         int  `json:"x"`
	Y         int  `json:"y"`
	Away      bool `json:"away"`
	TurnToday bool `json:"turnToday"` // has explained today
	Unread    int  `json:"unread"`    // its slates that nobody read today
}

// TurnSay is a child who could explain, and why.
type TurnSay struct {
	Learner
	Says string `json:"says"`
	Why  string `json:"why"`
}

// SlateMarked is how a slate was.
type SlateMarked struct {
	Learner string `json:"learner" validate:"required,uuid"`
	Mark    string `json:"mark" validate:"required,max=20"`
	Answer  string `json:"answer,omitempty" validate:"max=200"`
}

// TurnTaken is a child who was proposed to explain.
type TurnTaken struct {
	Learner string `json:"learner" validate:"required,uuid"`
	Took    bool   `json:"took"`
	Way     string `json:"way,omitempty" validate:"max=20"`
}

// KeepRound is what is sent to keep a round. Slates that are not named are right with the
// others.
type KeepRound struct {
	ID     string        `json:"id" validate:"required,uuid"`
	Nth    int           `json:"nth" validate:"min=0,max=99"`
	Slates []SlateMarked `json:"slates" validate:"max=40,dive"`
	Turns  []TurnTaken   `json:"turns" validate:"max=40,dive"`
	SeenAt string        `json:"seenAt,omitempty" validate:"omitempty,datetime=2006-01-02T15:04:05Z07:00"` // by the device's clock
}

// KeptRound is a round that is kept.
type KeptRound struct {
	ID     string        `json:"id"`
	By     string        `json:"by"`
	Slates []SlateMarked `json:"slates"`
	Turns  []TurnTaken   `json:"turns"`
}

// RoundSay is a task of the lesson, and what its round came to.
type RoundSay struct {
	Text string `json:"text"`
	Kept bool   `json:"kept"`
	Says string `json:"says"` // "21 of 22 right"; empty where it is not kept
}

// SeatPlan is sent to keep how the class sits.
type SeatPlan struct {
	Revision int         `json:"revision"`
	Seats    []ClassSeat `json:"seats" validate:"max=60,dive"`
}

// ClassSeat is where a child sits: a column from the left and a row from the front.
type ClassSeat struct {
	Learner string `json:"learner" validate:"required,uuid"`
	X       int    `json:"x" validate:"min=0,max=11"`
	Y       int    `json:"y" validate:"min=0,max=11"`
}

// Opener is one opener of a row.
type Opener struct {
	Kind  string   `json:"kind" validate:"required,max=20"`
	Count int      `json:"count"`
	Shown string   `json:"shown,omitempty" validate:"max=20"`
	Flash *Flash   `json:"flash,omitempty"`
	UpTo  int      `json:"upTo,omitempty"`
	Stage string   `json:"stage,omitempty" validate:"max=40"`
	Slips []string `json:"slips,omitempty" validate:"max=60"`
	Text  string   `json:"text,omitempty" validate:"max=400"`
	Name  string   `json:"name,omitempty"` // when it is read
	Says  string   `json:"says,omitempty"` // its parameters
}

// OpenerRow is a row of openers, kept under a name.
type OpenerRow struct {
	ID       string   `json:"id" validate:"required,uuid"`
	Revision int      `json:"revision"`
	Name     string   `json:"name" validate:"max=200"`
	Openers  []Opener `json:"openers" validate:"max=20,dive"`
}

// Openers is what the page of openers shows.
type Openers struct {
	Rows   []OpenerRow `json:"rows"`
	Kinds  []Opener    `json:"kinds"`  // each with usual parameters
	Shown  []Named     `json:"shown"`  // what can be flashed
	Stages []Named     `json:"stages"` // whose sums there are
	UpTos  []int       `json:"upTos"`
	Slips  []SlipAt    `json:"slips"` // that can be planted
	Most   int         `json:"most"`  // tasks of an opener
	Tenths []int       `json:"tenths"`
	Code   string      `json:"code"` // of the class's window; empty where it has none
}

// SlipAt is a slip that can be planted at some stages.
type SlipAt struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	Take bool   `json:"take"` // in subtraction
}

// RunOpeners opens a lesson on a row of openers, drawn anew.
type RunOpeners struct {
	ID      string   `json:"id" validate:"required,uuid"` // of the lesson
	Openers []Opener `json:"openers" validate:"required,min=1,max=20,dive"`
}

// OpenerOf makes an opener for the screen.
func OpenerOf(w say.Words, o opener.Opener) Opener {
	out := Opener{Kind: string(o.Kind), Count: o.Count, Shown: string(o.Shown), UpTo: int(o.UpTo), Stage: string(o.Stage), Text: o.Text, Name: say.Opener(o.Kind), Says: w.OpenerSays(o)}
	if o.Flash != (opener.Flash{}) {
		out.Flash = flashOf(&o.Flash)
	}
	for _, id := range o.Slips {
		out.Slips = append(out.Slips, string(id))
	}
	return out
}

// OpenerFrom reads an opener.
func OpenerFrom(o Opener) opener.Opener {
	out := opener.Opener{Kind: opener.Kind(o.Kind), Count: o.Count, Shown: number.Shown(o.Shown), UpTo: place.Number(o.UpTo), Stage: choose.StageID(o.Stage), Text: o.Text}
	if o.Flash != nil {
		out.Flash = opener.Flash{Tenths: o.Flash.Tenths, Times: o.Flash.Times}
	}
	for _, id := range o.Slips {
		out.Slips = append(out.Slips, slip.ID(id))
	}
	return out
}

// usual are openers of each kind with usual parameters, of a class whose numbers go so far.
func usual(limit place.Number) []opener.Opener {
	upTo := place.Number(100)
	if limit > 0 && limit <= 20 {
		upTo = 20
	}
	rack := number.Rack100
	if upTo == 20 {
		rack = number.Rack20
	}
	flash := opener.Flash{Tenths: 20, Times: 1}
	list := make([]opener.Opener, 0, len(opener.Kinds()))
	for _, k := range opener.Kinds() {
		o := opener.Opener{Kind: k, Count: 3}
		switch k {
		case opener.OfFlashes:
			o.Count, o.Shown, o.Flash, o.UpTo = 5, rack, flash, upTo
		case opener.Fingers:
			o.Flash = flash
		case opener.InHead:
			o.Count, o.Stage = 4, opener.Stages()[1]
		case opener.SpotSlip:
			o.Count, o.Stage = 1, opener.Stages()[3]
		case opener.OwnCard:
			o.Count = 1
		case opener.Riddles, opener.HowMany, opener.InParts:
			o.UpTo = 100
		default:
			o.UpTo = upTo
		}
		list = append(list, o)
	}
	return list
}

// OpenersOf makes the page of openers, without its rows.
func OpenersOf(class setting.Class) Openers {
	w := class.Words()
	out := Openers{Rows: []OpenerRow{}, Kinds: []Opener{}, Shown: []Named{}, Stages: []Named{}, UpTos: []int{}, Slips: []SlipAt{}, Most: opener.MostCount, Tenths: []int{5, 10, 15, 20, 30, 50}}
	for _, o := range usual(class.Range.Limit()) {
		out.Kinds = append(out.Kinds, OpenerOf(w, o))
	}
	for _, s := range opener.Flashed() {
		out.Shown = append(out.Shown, Named{string(s), say.Shown(s)})
	}
	for _, id := range opener.Stages() {
		out.Stages = append(out.Stages, Named{string(id), say.Strand(ladder.StrandOf(id)) + ": " + w.Stage(id)})
	}
	for _, n := range opener.UpTos() {
		out.UpTos = append(out.UpTos, int(n))
	}
	for _, id := range opener.Plantable() {
		out.Slips = append(out.Slips, SlipAt{string(id), say.Slip(id), !slices.Contains(slip.Of(slip.Add), id)})
	}
	return out
}

// OpenerRowOf makes a kept row.
func OpenerRowOf(w say.Words, id string, revision int, r opener.Row) OpenerRow {
	out := OpenerRow{ID: id, Revision: revision, Name: r.Name, Openers: []Opener{}}
	for _, o := range r.Openers {
		out.Openers = append(out.Openers, OpenerOf(w, o))
	}
	return out
}

// SlatesOf makes the slates of a task of a lesson: who sits where is filled in by the caller.
func SlatesOf(class setting.Class, l lesson.Lesson, queue []turns.Proposal, names map[string]string) Slates {
	item := l.Current()
	out := Slates{Nth: l.Nth, Right: item.Task.Result(), Reversed: item.Reversed(), Between: between(item.Task), Keys: []Key{}, Children: []SlateChild{}, Queue: []TurnSay{}, Ways: []Named{}, Glances: []string{}, Marks: []Named{}, Wrong: []Gave{}, Slips: map[string]SlipSays{}, Rounds: []RoundSay{}}
	if item.Slated() {
		out.Wrong = gavesOf(class, item.Task, out.Slips)
	}
	seen := book.WorkingOut()
	if a, of := number.From(item.Task); of {
		out.Keys = keysOf(class.Words(), a)
		if seen = book.Seeing(); slices.Contains(opener.Flashed(), a.Shown) {
			for _, g := range opener.Glances(a.Shown, a.Number) {
				out.Glances = append(out.Glances, say.Glance(g.Way, g.Looks))
				seen = append([]book.Way{g.Way}, slices.DeleteFunc(seen, func(w book.Way) bool { return w == g.Way })...)
			}
			slices.Reverse(seen[:len(out.Glances)])
		}
	} else if _, of := problem.From(item.Task); !of {
		seen = nil
	}
	for _, way := range seen {
		out.Ways = append(out.Ways, Named{string(way), say.Way(way)})
	}
	for _, m := range lesson.Marks() {
		out.Marks = append(out.Marks, Named{string(m), say.SlateMark(string(m))})
	}
	notToday, notThisWeek := 0, 0
	for _, p := range queue {
		out.Queue = append(out.Queue, TurnSay{Learner{p.Child, names[p.Child]}, say.Turn(p), string(p.Why)})
		if !p.Today {
			notToday++
		}
		if p.ThisWeek == 0 {
			notThisWeek++
		}
	}
	out.Says = say.TurnsToday(notToday, notThisWeek)
	return out
}
