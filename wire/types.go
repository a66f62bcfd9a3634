package wire

import "encoding/json"

// Login is what is sent to log in.
type Login struct {
	Email    string `json:"email" validate:"required,max=200"`
	Password string `json:"password" validate:"required,max=200"`
}

// Me is who is logged in.
type Me struct {
	ID      string      `json:"id"`
	Name    string      `json:"name"`
	Email   string      `json:"email"`
	Classes []ClassLink `json:"classes"`
}

// ClassLink is a class that one belongs to.
type ClassLink struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	Role string `json:"role"`
}

// Trouble is a problem document (RFC 9457) with the field that caused it and a
// remedy. Lesson is the current state after a stale write.
type Trouble struct {
	Type   string  `json:"type"`
	Title  string  `json:"title"`
	Status int     `json:"status"`
	Detail string  `json:"detail,omitempty"`
	Field  string  `json:"field,omitempty"`
	At     int     `json:"at,omitempty"` // the sign in the field, counted from 1
	Remedy string  `json:"remedy,omitempty"`
	Lesson *Lesson `json:"lesson,omitempty"`
	Record *Record `json:"record,omitempty"` // as it is, where a child was recorded elsewhere
	Erased bool    `json:"erased,omitempty"` // the child that it is about is erased
}

// Desk is what every view of a class needs.
type Desk struct {
	Class    ClassLink    `json:"class"`
	Day      string       `json:"day"` // today in the class's zone, in words
	Settings Settings     `json:"settings"`
	Words    Words        `json:"words"`
	Palette  Palette      `json:"palette"`
	Stages   []Stage      `json:"stages"`
	Learners []Learner    `json:"learners"`
	InHand   *LessonLink  `json:"inHand,omitempty"`
	Open     []LessonLink `json:"open"` // other lessons that have not ended
	Limits   Limits       `json:"limits"`
	Told     []Told       `json:"told"` // what children can do, to be told
}

// Limits is how much there can be of what is typed or chosen.
type Limits struct {
	Answer   int `json:"answer"`   // characters of an answer
	Choice   int `json:"choice"`   // of the name of a choice
	Runs     int `json:"runs"`     // runs of one task on a day
	Addends  int `json:"addends"`  // numbers of a sum
	Shelf    int `json:"shelf"`    // pieces of a place on the shelf
	Estimate int `json:"estimate"` // digits of an estimate
	Beads    int `json:"beads"`    // that a string of the ladder holds
	Tray     int `json:"tray"`     // pieces of a kind on a tray
}

// Settings is what a class has set, and the revision that a change starts from.
type Settings struct {
	Revision   int     `json:"revision"`
	Swap       string  `json:"swap" validate:"required"`
	Places     string  `json:"places" validate:"required"`
	And        bool    `json:"and"`
	Material   string  `json:"material" validate:"required"`
	Digits     string  `json:"digits" validate:"required"`
	Teens      string  `json:"teens" validate:"required"`
	Comma      string  `json:"comma" validate:"required"`
	When       string  `json:"when" validate:"required"`
	Carried    string  `json:"carried" validate:"required"`
	Crossing   string  `json:"crossing" validate:"required"`
	Order      string  `json:"order" validate:"required"`
	Zeros      string  `json:"zeros" validate:"required"`
	Stairs     string  `json:"stairs,omitempty"`     // nor this
	Remainders string  `json:"remainders,omitempty"` // nor this
	Filled     string  `json:"filled,omitempty"`     // an older screen does not send it
	Signs      string  `json:"signs,omitempty"`      // nor this
	Rack       string  `json:"rack,omitempty"`       // nor this
	Bank       string  `json:"bank" validate:"required"`
	Adult      string  `json:"adult" validate:"required"`
	Range      string  `json:"range" validate:"required"` // how far the numbers go
	Colours    Colours `json:"colours"`

	Habits map[string]string `json:"habits,omitempty" validate:"max=60"` // own names for slips, by their ids; an older screen does not send them
}

// Colours are those of the class's own set, each as "#rrggbb".
type Colours struct {
	Places []string `json:"places" validate:"len=4"`                   // ones first
	Stair  []string `json:"stair" validate:"len=9"`                    // the bar of one first
	Rack   []string `json:"rack,omitempty" validate:"omitempty,len=2"` // of the beads of a rack; an older screen does not send them
}

// Palette is the colours of a class with what is made of them for the screen.
type Palette struct {
	Places []Shade `json:"places"` // ones first
	Stair  []Shade `json:"stair"`
	Rack   []Shade `json:"rack"`  // of the beads of a rack
	Ours   Colours `json:"ours"`  // those that a class begins with
	Alike  string  `json:"alike"` // what is to be said where two are hard to tell apart
}

// Shade is one colour of a palette.
type Shade struct {
	ID   string `json:"id"` // "tens", "stair-3"
	Name string `json:"name"`
	Fill string `json:"fill"`
	Ink  string `json:"ink"`  // for text
	Tint string `json:"tint"` // a light ground
	Says string `json:"says"` // that it was darkened for text; empty where it was not
}

// Choices lists the sides of each setting with a live example.
type Choices struct {
	Matters []Matter `json:"matters"`
}

// Matter is one setting and its sides.
type Matter struct {
	ID    string `json:"id"` // the field of Settings
	Name  string `json:"name"`
	Sides []Side `json:"sides"`
}

// Side is one side of a setting.
type Side struct {
	Value   string `json:"value"`
	Name    string `json:"name"`
	Example string `json:"example"`
	Sheet   *Sheet `json:"sheet,omitempty"` // an example that is written
}

// Words are the labels that follow the class's settings.
type Words struct {
	NoSwap    string       `json:"noSwap"`
	ASwap     string       `json:"aSwap"`
	Swaps     string       `json:"swaps"`
	Swapped   string       `json:"swapped"`
	Times     []string     `json:"times"` // "first time", and so on
	Bank      string       `json:"bank"`
	Adult     string       `json:"adult"`
	AtOnce    string       `json:"atOnce"` // of an answer that was taken as right by the one touch for all
	Places    []PlaceWords `json:"places"` // ones first
	Materials []Material   `json:"materials"`
}

// PlaceWords names a place.
type PlaceWords struct {
	ID   string `json:"id"`
	One  string `json:"one"`
	Many string `json:"many"`
	Unit int    `json:"unit"`
}

// Material names a material and its pieces by place, ones first.
type Material struct {
	ID     string      `json:"id"`
	Name   string      `json:"name"`
	Pieces []PieceWord `json:"pieces"`
}

// PieceWord names the piece of a place.
type PieceWord struct {
	One  string `json:"one"`
	Many string `json:"many"`
}

// Stage is a stage that numbers can be chosen for.
type Stage struct {
	ID      string   `json:"id"`
	Name    string   `json:"name"`
	Asks    string   `json:"asks"`
	Knots   []string `json:"knots"` // any, no or yes for each place of its example, ones first
	Least   int      `json:"least"` // digits that the longest number needs
	Most    int      `json:"most"`  // and has at most
	Made    bool     `json:"made"`  // whether a swap made by a swap belongs to it
	Kind    string   `json:"kind"`
	Few     int      `json:"few"`               // how many numbers it needs at least
	Hollow  []bool   `json:"hollow"`            // the zeros of its example, ones first
	Opens   bool     `json:"opens"`             // numbers of its kind are first chosen for it
	Cut     string   `json:"cut,omitempty"`     // of snakes: whether a ten cuts a bar, no or yes
	Example *One     `json:"example,omitempty"` // of a stage in which one number is asked
}

// Learner is a child of the class.
type Learner struct {
	ID   string `json:"id"`
	Name string `json:"name"`
}

// Choose asks for problems. Wishes are any, no or yes; what is left out is any.
type Choose struct {
	Kind     string            `json:"kind,omitempty"` // sum, the usual, difference, share or trays
	Stage    string            `json:"stage"`
	Digits   []int             `json:"digits" validate:"required"`
	By       int               `json:"by,omitempty"`
	Most     int               `json:"most,omitempty"` // the largest number that may come up
	Swap     map[string]string `json:"swap"`           // by place, as are the next four
	Made     map[string]string `json:"made,omitempty"`
	Several  map[string]string `json:"several,omitempty"`
	Exact    map[string]string `json:"exact,omitempty"`
	ZeroAt   map[string]string `json:"zeroAt,omitempty"`
	Zeros    string            `json:"zeros"`
	Cross    string            `json:"cross,omitempty"`
	Row      string            `json:"row,omitempty"`
	Rest     string            `json:"rest,omitempty"`
	MakesTen string            `json:"makesTen,omitempty"`
	Doubles  string            `json:"doubles,omitempty"`
	Facts    string            `json:"facts,omitempty"`
	Gives    map[string]int    `json:"gives,omitempty"` // how many of the next a place gives up exactly
	Limit    map[string]int    `json:"limit,omitempty"` // pieces by place
	Groups   int               `json:"groups,omitempty"`
	Children []string          `json:"children,omitempty" validate:"max=40"`    // whose problems are not drawn again
	Days     int               `json:"days,omitempty" validate:"min=0,max=730"` // within so many days
	Spread   bool              `json:"spread,omitempty"`                        // a set rather than a draw
	Brings   string            `json:"brings,omitempty" validate:"max=40"`      // the slip that they bring out
	Fit      bool              `json:"fit,omitempty"`                           // the lengths are fitted to the stage, as when it is picked
	Count    int               `json:"count" validate:"min=0,max=48"`
	Seed     string            `json:"seed"` // drawn when empty
}

// ChooseOne asks for numbers that are asked alone. What is left out is as the stage has it
// usually.
type ChooseOne struct {
	Stage    string   `json:"stage" validate:"required"`
	Numbers  []int    `json:"numbers,omitempty" validate:"max=101"` // small ones one by one
	Digits   []int    `json:"digits,omitempty" validate:"max=6"`    // of large ones
	Zeros    string   `json:"zeros,omitempty"`                      // no, any or yes
	Swaps    []string `json:"swaps,omitempty" validate:"max=3"`     // to another way of laying a number
	Many     []int    `json:"many,omitempty" validate:"max=4"`      // how many are compared
	Differ   []string `json:"differ,omitempty" validate:"max=5"`    // where they differ first
	Shown    []string `json:"shown,omitempty" validate:"max=20"`
	Answered []string `json:"answered,omitempty" validate:"max=20"`
	Children []string `json:"children,omitempty" validate:"max=40"`    // whose questions are not drawn again
	Days     int      `json:"days,omitempty" validate:"min=0,max=730"` // within so many days
	Count    int      `json:"count" validate:"min=0,max=48"`
	Seed     string   `json:"seed"` // drawn when empty
}

// ChosenOne is how many questions fit, and some of them.
type ChosenOne struct {
	Fits     string    `json:"fits"`    // questions in all; a count may pass 2^53
	Left     string    `json:"left"`    // of these, not asked lately
	Says     string    `json:"says"`    // "9 numbers in 5 ways"
	Lately   string    `json:"lately"`  // how many were asked lately; empty for none
	Numbers  []Toggle  `json:"numbers"` // there are to choose from
	Digits   []Toggle  `json:"digits"`  // of large numbers
	Zeros    []Toggle  `json:"zeros"`   // one where there is no choice
	Swaps    []Toggle  `json:"swaps"`   // to another way of laying a number
	Many     []Toggle  `json:"many"`    // how many are compared
	Differ   []Toggle  `json:"differ"`  // where they differ first
	Shown    []Toggle  `json:"shown"`
	Answered []Toggle  `json:"answered"`
	Ways     []OneWay  `json:"ways"`
	Problems []Sum     `json:"problems"`
	Choice   ChooseOne `json:"choice"` // as understood
	Seed     string    `json:"seed"`
}

// Toggle is something that can be chosen or not.
type Toggle struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	On   bool   `json:"on"`
	Cord string `json:"cord,omitempty"` // of a teen number: how its word and its figures go together
}

// OneWay is a way of showing with one of answering.
type OneWay struct {
	Shown    string `json:"shown"`
	Answered string `json:"answered"`
}

// Stands is which children are ready for a stage, or wobble at it, stage by stage.
type Stands struct {
	Stages map[string]Stand `json:"stages"`
}

// Stand is who needs a stage.
type Stand struct {
	Ready    []Learner `json:"ready"`
	Wobbling []Learner `json:"wobbling"`
	Secure   int       `json:"secure"` // how many are secure in some manner, or past it
	Far      bool      `json:"far"`    // nobody is ready for it, or has begun it
	All      bool      `json:"all"`    // all are secure or past it
}

// KeptChoice is a choice that a teacher has named.
type KeptChoice struct {
	ID     string `json:"id" validate:"required,uuid"`
	Name   string `json:"name" validate:"required,max=60"`
	Says   string `json:"says"` // as one sentence; what is wrong with it where it cannot be read any more
	Fits   bool   `json:"fits"` // whether it can be read
	Choice Choose `json:"choice"`
}

// KeptChoices are the choices of a class by name.
type KeptChoices struct {
	List []KeptChoice `json:"list"`
}

// Chosen is the strip and a hand of problems.
type Chosen struct {
	Fits     string   `json:"fits"` // a count may pass 2^53
	Knots    []Knot   `json:"knots"`
	Lanes    []Lane   `json:"lanes"`
	Problems []Sum    `json:"problems"`
	Clash    string   `json:"clash,omitempty"`
	Mends    []Mend   `json:"mends"`
	Seed     string   `json:"seed"`
	Choice   Choose   `json:"choice"`            // as understood: knots of places that no number has are gone
	Lengths  []Length `json:"lengths"`           // how long each number may be
	Says     string   `json:"says"`              // the choice as one sentence
	LeftOut  string   `json:"leftOut,omitempty"` // how many were worked lately
	By       []int    `json:"by"`                // how many can share, or how many trays there can be
	Finer    []Ask    `json:"finer"`             // what else can be asked for

	Slips  []Named  `json:"slips"`           // that such problems can bring out
	Hidden []string `json:"hidden"`          // what these problems could not show, common slips first
	Would  *Sum     `json:"would,omitempty"` // the one that would show most of it
}

// Knot is one place of the strip: ones first.
type Knot struct {
	Place   string            `json:"place"`
	Tied    string            `json:"tied"`    // any, no or yes, by hand or by the stage
	ByStage bool              `json:"byStage"` // the stage ties it
	Counts  map[string]string `json:"counts"`  // how many fit with the knot any, no and yes
	Made    string            `json:"made"`    // the options for the place: only because of the one below,
	Several string            `json:"several"` // two or more at once,
	Exact   string            `json:"exact"`   // and nothing stays
	Name    string            `json:"name"`    // "tens to hundreds"
}

// Length is how many digits a number may have beside the others.
type Length struct {
	Least int `json:"least"`
	Most  int `json:"most"`
}

// Ask is one thing that can be asked for besides the knots.
type Ask struct {
	ID    string    `json:"id"`              // the field of Choose
	Place string    `json:"place,omitempty"` // of a wish for one place
	Name  string    `json:"name"`
	Now   string    `json:"now"`
	Sides []AskSide `json:"sides"`
}

// AskSide is one side of a wish.
type AskSide struct {
	Value string `json:"value"`
	Name  string `json:"name"`
}

// Lane is which digits can stand in a place.
type Lane struct {
	Place   string  `json:"place"`
	Numbers [][]int `json:"numbers"`
	Sum     []int   `json:"sum"`
}

// Mend is one step that leaves problems that fit.
type Mend struct {
	Text   string `json:"text"`
	Fits   string `json:"fits"`
	Choice Choose `json:"choice"`
}

// Typed is a problem as a teacher types it.
type Typed struct {
	Text string `json:"text" validate:"max=200"`
}

// Sum is one problem with all that is to be seen of it.
type Sum struct {
	Kind    string          `json:"kind"` // sum or difference
	Sign    string          `json:"sign"`
	Numbers []int           `json:"numbers"`
	Task    json.RawMessage `json:"task"`  // its record, as it is sent back to open a lesson on it
	Text    string          `json:"text"`  // as it is typed
	Said    string          `json:"said"`  // as it is written in a line
	Sheet   Sheet           `json:"sheet"` // the whole written column
	Answer  int             `json:"answer"`
	Words   string          `json:"words"` // the answer in words
	Stage   Stage           `json:"stage"`
	Swaps   string          `json:"swaps"` // how many, in words
	Columns []Column        `json:"columns"`
	Pieces  []Pieces        `json:"pieces"`
	One     *One            `json:"one,omitempty"` // of a number that is asked alone
	Snake   *Snake          `json:"snake,omitempty"`
	Chain   *Chain          `json:"chain,omitempty"`
	Rods    *Rods           `json:"rods,omitempty"`
	AsChain string          `json:"asChain,omitempty"` // equal trays of a bar each, as the chain that is typed
	LaidOut bool            `json:"laidOut"`           // whether pieces can show it; cards and column do without
	Why     string          `json:"why,omitempty"`
}

// Column is one column of a sum: ones first.
type Column struct {
	Place  string `json:"place"`
	Sum    int    `json:"sum"`
	In     int    `json:"in"`
	Out    int    `json:"out"`
	Stays  int    `json:"stays"`
	Made   bool   `json:"made"`   // reaches ten only by what comes up
	Caused string `json:"caused"` // what the swap does, in words; empty without one
	Swaps  bool   `json:"swaps"`  // the place swaps: up, or in taking down into it
	Zero   bool   `json:"zero"`   // in taking: the larger number has a 0 here
}

// Pieces is what a place needs when most lie there at once: highest place first.
type Pieces struct {
	Place string `json:"place"`
	Count int    `json:"count"`
	Trays []int  `json:"trays"`
	Up    int    `json:"up"`
}

// NewLesson opens a lesson under an id that the screen makes.
type NewLesson struct {
	ID       string    `json:"id" validate:"required,uuid"`
	Tasks    []NewTask `json:"tasks" validate:"required,min=1"`
	Children []string  `json:"children"`
	Whole    bool      `json:"whole,omitempty"` // for the whole class: all who are here come
}

// NewTask is a task with the stage for which it was chosen; empty where it was
// typed.
type NewTask struct {
	Task   json.RawMessage `json:"task" validate:"required"`
	Stage  string          `json:"stage"`
	Manner string          `json:"manner,omitempty"` // in which it is to be worked; empty for as the material says
	Flash  *Flash          `json:"flash,omitempty"`  // for how long a whole class sees it; left out where it stays
}

// LessonChange changes a lesson from the revision that was read; what is left
// out stays.
type LessonChange struct {
	Revision int        `json:"revision" validate:"required"`
	Children []string   `json:"children,omitempty"`
	Alone    bool       `json:"alone,omitempty"` // practise with no children
	Material string     `json:"material,omitempty"`
	Stand    string     `json:"stand,omitempty"`
	At       string     `json:"at,omitempty"`
	Nth      *int       `json:"nth,omitempty"`                    // which task is taken in hand
	More     bool       `json:"more,omitempty"`                   // one more task like the one in hand is taken in hand
	Saw      []Sighting `json:"saw,omitempty" validate:"max=500"` // how steps of the task in hand were done on the mat
	Whole    bool       `json:"whole,omitempty"`                  // it is for the whole class from now on: all who are here come
	Pace     string     `json:"pace,omitempty"`                   // what the whole class does
	Shown    *int       `json:"shown,omitempty"`                  // how often the flash was shown
}

// Sighting is how a step was done on the mat: shown at once ("led"), asked first
// ("asked"), by the child's own hands with something put right ("told") or without ("hands").
type Sighting struct {
	At  string `json:"at"`
	How string `json:"how"`
}

// Moved is the short answer to a screen that only moved to another step: the new
// revision, and the step at which the lesson now is.
type Moved struct {
	Revision int    `json:"revision"`
	At       string `json:"at"`
}

// LessonLink is a lesson as the ribbon and Today show it.
type LessonLink struct {
	ID       string   `json:"id"`
	Sum      Sum      `json:"sum"`
	Stand    string   `json:"stand"`
	Material string   `json:"material"`
	With     string   `json:"with"`     // how it is worked: "with beads", "in the column"; empty where that says nothing
	Children []string `json:"children"` // names
	Nth      int      `json:"nth"`      // the task in hand
	Tasks    int      `json:"tasks"`    // how many there are
	Ribbon   []Mark   `json:"ribbon"`
	Mark     int      `json:"mark"`
	Next     string   `json:"next"` // what is to be done next
	Said     string   `json:"said"` // what was said last
	Since    string   `json:"since"`
	NotDone  string   `json:"notDone"` // of a lesson of an earlier day, that it is still to be done
	Whole    bool     `json:"whole"`   // for the whole class
}

// Mark is one step of the ribbon.
type Mark struct {
	Name string `json:"name"`
	At   string `json:"at"` // the position that it leads to; empty off the mat
}

// Lesson is a lesson with its whole trace.
type Lesson struct {
	Link     LessonLink `json:"link"`
	Revision int        `json:"revision"`
	Children []Learner  `json:"children"`
	Apart    []string   `json:"apart"` // for the lead: who of them are not to sit together
	Seats    int        `json:"seats"` // how many children may sit at the mat
	Index    int        `json:"index"`
	Steps    []Step     `json:"steps"`
	Needs    Needs      `json:"needs"`
	Roles    []Role     `json:"roles"`
	Turns    string     `json:"turns"` // how the turn goes round, with several children
	Reach    string     `json:"reach"` // that pieces are only to be in reach; empty where they are worked with
	Then     []string   `json:"then"`  // the tasks that come after the one in hand, and how they are worked
	Finish   string     `json:"finish"`
	WriteUp  string     `json:"writeUp"`         // what leads to the record at any step
	Top      string     `json:"top"`             // the highest place that the work reaches
	Scene    string     `json:"scene"`           // how the mat is drawn; empty for a task that has no mat
	Round    *RoundNow  `json:"round,omitempty"` // of a lesson for the whole class
	Card     string     `json:"card"`            // the guide's own words; empty for another task
	Spot     *SpotSlip  `json:"spot,omitempty"`  // worked examples, one of which may have a slip
}

// Step is one step of the trace with the state after it.
type Step struct {
	At      string                      `json:"at"`
	Kind    string                      `json:"kind"`
	Do      string                      `json:"do"`
	Ask     string                      `json:"ask"` // what can be asked before it is shown; empty for nothing
	Says    []Span                      `json:"says"`
	Place   string                      `json:"place,omitempty"` // at work
	Tray    int                         `json:"tray,omitempty"`
	From    string                      `json:"from,omitempty"` // of a swap down, or up in the check
	To      string                      `json:"to,omitempty"`
	Ten     int                         `json:"ten,omitempty"`
	Count   int                         `json:"count,omitempty"`
	Moves   []Move                      `json:"moves"`
	Zones   map[string]map[string]int   `json:"zones"`
	Sheet   Sheet                       `json:"sheet"`
	Added   *Sheet                      `json:"added,omitempty"` // equal groups written one below the other
	Form    []string                    `json:"form"`            // the expanded form so far, each line equal to the one before
	Laid    map[string]map[string][]int `json:"laid,omitempty"`  // where cards do the work alone: those that lie in each zone and place
	Cards   []int                       `json:"cards"`
	Written []Written                   `json:"written,omitempty"` // the digits of a number asked alone, so far
	Turn    int                         `json:"turn"`              // index of a child, -1 for nobody
	Mark    int                         `json:"mark"`              // of the ribbon
	Snake   *SnakeView                  `json:"snake,omitempty"`   // how a snake lies afterwards
	Chain   *ChainView                  `json:"chain,omitempty"`
	Rods    *RodsView                   `json:"rods,omitempty"`
	Before  bool                        `json:"before"` // nothing is counted yet: an estimate can be said
}

// Span is a stretch of a sentence; a strong one has the hue of its place.
type Span struct {
	Text  string `json:"text"`
	Place string `json:"place,omitempty"`
}

// Move is pieces going from zone to zone.
type Move struct {
	From  string `json:"from"`
	To    string `json:"to"`
	Place string `json:"place"`
	Count int    `json:"count"`
}

// Sheet is a written column in the class's notation. Row 1 is the first number;
// 0 and less lie over it; numbers+1 lies under the last; numbers+2 is the result.
type Sheet struct {
	Numbers int    `json:"numbers"`
	Over    int    `json:"over"`
	Under   bool   `json:"under"`
	Sign    string `json:"sign"`
	Behind  string `json:"behind"` // the number: "÷ 4"
	Beside  string `json:"beside"` // the result: "r 1"
	Marks   []Ink  `json:"marks"`
}

// Ink is one digit of a written column.
type Ink struct {
	Row    int    `json:"row"`
	Place  string `json:"place"`
	Digit  int    `json:"digit"`
	Side   string `json:"side"` // empty for the whole square, small, small-front or small-aside
	Struck bool   `json:"struck"`
}

// Needs is the gather list.
type Needs struct {
	Laid     []string `json:"laid"`   // what each tray that is built or filled has
	Result   string   `json:"result"` // the tray of the result; empty where none is
	Small    [][]int  `json:"small"`  // cards for each number, highest first
	Large    []int    `json:"large"`
	Alone    bool     `json:"alone"` // cards and column do the work alone
	Trays    int      `json:"trays"`
	TraysSay string   `json:"traysSay"`
	CardsSay string   `json:"cardsSay"`
	Cautions []Care   `json:"cautions"`
	Fetch    []Fetch  `json:"fetch"` // of a number asked alone
	Minutes  int      `json:"minutes"`
	Time     string   `json:"time"`
	Basis    string   `json:"basis"`
}

// Fetch is something that is fetched for a number asked alone.
type Fetch struct {
	ID     string `json:"id"`
	Name   string `json:"name"` // by how many
	Count  int    `json:"count"`
	Placed bool   `json:"placed"` // the piece of a place, named by the material
}

// Written is one digit that is written.
type Written struct {
	Place string `json:"place"`
	Digit int    `json:"digit"`
}

// One is a number that is asked alone: how it is shown and answered, and all that its
// picture needs.
type One struct {
	Number       int         `json:"number"`
	Shown        string      `json:"shown"`
	Answered     string      `json:"answered"`
	ShownName    string      `json:"shownName"`
	AnsweredName string      `json:"answeredName"`
	Given        string      `json:"given"`    // as it is shown in words or figures; empty for a picture
	Question     string      `json:"question"` // what is asked
	Scene        string      `json:"scene"`
	Tens         int         `json:"tens"`
	Ones         int         `json:"ones"`
	Digits       []Written   `json:"digits"` // the highest first
	Cards        []int       `json:"cards"`  // one for each place that has something
	Parts        []WordPart  `json:"parts"`  // of its word
	Cord         string      `json:"cord"`   // how word and figures go together
	Thing        int         `json:"thing"`  // which things are counted
	Things       string      `json:"things"`
	Drawn        bool        `json:"drawn"` // tens and ones are drawn
	Pairs        bool        `json:"pairs"` // frames are filled by pairs
	Frames       int         `json:"frames"`
	Crowd        *Crowd      `json:"crowd,omitempty"`
	Rack         *RackSays   `json:"rack,omitempty"`
	Choices      []Picture   `json:"choices"` // pictures to pick from, or to match
	InRing       []string    `json:"inRing"`  // of a crowd: what is said of a ring that a child closes, by how many are in it
	Boxes        *BoxesSay   `json:"boxes,omitempty"`
	Slips        []SlipSay   `json:"slips"` // that its answers would show
	Piles        []Written   `json:"piles"` // what lies of each place, the highest first: as usual, or renamed
	Rows         []NumberRow `json:"rows"`  // where there are several numbers: each of them
	Keys         []Key       `json:"keys"`  // what it is answered with besides figures
}

// RackSays is the bead rack on which a number stands.
type RackSays struct {
	Size   int       `json:"size"`
	Right  bool      `json:"right"`  // beads are pushed to the right
	Rows   []int     `json:"rows"`   // beads that are pushed over in each
	Pushes string    `json:"pushes"` // the fewest that show it
	Fewest int       `json:"fewest"` // as a number
	Ways   []RackWay `json:"ways"`   // of seeing it, the easiest first
}

// RackWay is a way of seeing a number on a rack.
type RackWay struct {
	ID    string     `json:"id"`
	Name  string     `json:"name"`
	Says  string     `json:"says"`  // how many looks it takes
	Looks []RackLook `json:"looks"` // what is taken in at each
}

// RackLook is what is taken in at one look.
type RackLook struct {
	Row  int `json:"row"` // from the top, from 0
	Rows int `json:"rows"`
	From int `json:"from"` // the first bead of each row, from the side to which they are pushed
	To   int `json:"to"`   // the one after the last
}

// NumberRow is one of several numbers.
type NumberRow struct {
	Number  int       `json:"number"`
	Numeral string    `json:"numeral"` // in the class's writing
	Word    string    `json:"word"`
	Digits  []Written `json:"digits"` // the highest first
	Cards   []int     `json:"cards"`
}

// TrayLies is what lies on a tray that was fetched for a number.
type TrayLies struct {
	Number int            `json:"number" validate:"min=0,max=9999"`
	Lies   map[string]int `json:"lies" validate:"max=4"` // by place
}

// TraySays is what is said of it.
type TraySays struct {
	Right bool   `json:"right"`
	Says  string `json:"says"`
}

// Key is an answer that is one touch.
type Key struct {
	Given string `json:"given"` // as it is kept
	Name  string `json:"name"`
	Key   string `json:"key"` // on the keyboard
}

// BoxesSay is what is said of sticks that a child lays in the boxes from 0 to 9.
type BoxesSay struct {
	Last  []string `json:"last"`  // when all are laid, by how many lie in the last box
	Heap  []string `json:"heap"`  // when some are not, by how many those are
	Zero  string   `json:"zero"`  // of a touch on the box of 0
	Alone string   `json:"alone"` // when all are laid and the last box is right although others are not
}

// Picture is a number to be drawn in ten frames, or in tens and ones.
type Picture struct {
	Number int   `json:"number"`
	Tens   int   `json:"tens"`
	Ones   int   `json:"ones"`
	Frames []int `json:"frames"` // how many lie in each frame
}

// WordPart is a stretch of a number word.
type WordPart struct {
	Text    string `json:"text"`
	Place   string `json:"place"`
	Changed bool   `json:"changed"`
	Own     bool   `json:"own"`
}

// Crowd is where things lie, in px of a sheet.
type Crowd struct {
	Width  float64  `json:"width"`
	Height float64  `json:"height"`
	Apart  float64  `json:"apart"`  // of two middles at least
	Ten    int      `json:"ten"`    // how many are ringed together
	Things []Spot   `json:"things"` // in the order in which they are marked
	Rings  [][]int  `json:"rings"`
	Hulls  [][]Spot `json:"hulls"` // around each ring
	Tens   []Spot   `json:"tens"`  // where 10 is written, with the room around it
}

// Spot is a point, and the radius of what lies there.
type Spot struct {
	X float64 `json:"x"`
	Y float64 `json:"y"`
	R float64 `json:"r"`
}

// SlipSay is an answer that a slip would give, and what it means.
type SlipSay struct {
	Answer string `json:"answer"`
	Says   string `json:"says"`
}

// Care is a caution: its id tells which picture stands beside the words.
type Care struct {
	ID   string            `json:"id"`
	Text map[string]string `json:"text"` // by material
}

// Role is what a child does.
type Role struct {
	Name string `json:"name"`
	Does string `json:"does"`
}
