package wire

import (
	"encoding/json"
	"fmt"
	"slices"
	"strings"

	"vineswap/core/beads"
	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/group"
	"vineswap/core/ladder"
	"vineswap/core/lesson"
	"vineswap/core/number"
	"vineswap/core/problem"
	"vineswap/core/say"
	"vineswap/core/setting"
)

// Leaf is one stage of one child.
type Leaf struct {
	Stage     string   `json:"stage"`
	State     string   `json:"state"` // of its least settled manner; empty for a bare wire
	Best      string   `json:"best"`  // of its most settled manner
	Lobes     []string `json:"lobes"` // the state of each manner of the stage; empty for none
	Explained bool     `json:"explained"`
	Says      string   `json:"says"` // all of it in words
	Why       string   `json:"why"`
}

// Vines is a class in one strand.
type Vines struct {
	Strand  string       `json:"strand"`
	Strands []StrandLink `json:"strands"`
	Order   string       `json:"order"`
	Orders  []Named      `json:"orders"`
	Stages  []VineStage  `json:"stages"` // first stage first
	First   string       `json:"first"`  // the stage to look at first
	Groups  []VineGroup  `json:"groups"`
	Columns []VineColumn `json:"columns"`
	Key     []Named      `json:"key"` // what the states are called
}

// StrandLink is a strand, and how many children wobble in it.
type StrandLink struct {
	ID       string `json:"id"`
	Name     string `json:"name"`
	Wobbling int    `json:"wobbling"`
}

// VineStage is a row of the vines, and what the book says when it is pointed at.
type VineStage struct {
	ID      string     `json:"id"`
	Name    string     `json:"name"`
	Asks    string     `json:"asks"`
	Example string     `json:"example"`
	Says    string     `json:"says"` // "joining, stage 5 of 10"
	Manners []Named    `json:"manners"`
	Secure  []int      `json:"secure"` // how many children, by manner
	Groups  []StageSay `json:"groups"`
	Plan    Plan       `json:"plan"`
}

// StageSay is some children who stand alike at a stage, each with a reason.
type StageSay struct {
	State    string  `json:"state"`
	Title    string  `json:"title"`
	Children []Wants `json:"children"`
}

// Wants is a child and why it stands as it does.
type Wants struct {
	Learner
	Why string `json:"why"`
}

// Plan is the lesson that is proposed at a stage.
type Plan struct {
	Draws    bool      `json:"draws"` // Numbers can draw the stage
	Children []Learner `json:"children"`
	Says     string    `json:"says"`
	Seats    int       `json:"seats"`
}

// VineGroup is some columns side by side.
type VineGroup struct {
	Name string `json:"name"`
	Says string `json:"says"`
	Size int    `json:"size"`
}

// VineColumn is a child with its leaves, first stage first.
type VineColumn struct {
	Learner
	Days   int    `json:"days"`
	Waits  string `json:"waits"`
	Never  bool   `json:"never"`
	Need   string `json:"need"`
	Leaves []Leaf `json:"leaves"`
}

// LeafOf makes a leaf of a child on a day.
func LeafOf(w say.Words, c ladder.Child, l ladder.Leaf, today book.Day) Leaf {
	out := Leaf{Stage: string(l.Stage), State: string(l.State), Best: string(l.Best), Lobes: []string{}, Explained: l.Explained, Says: say.Leaf(l)}
	for _, lobe := range l.Lobes {
		out.Lobes = append(out.Lobes, string(lobe.State))
	}
	out.Why = w.LeafReason(c, l, today)
	return out
}

// VinesOf makes a class in one strand, in an order.
func VinesOf(w say.Words, class ladder.Class, children []group.Child, apart []group.Pair, strand ladder.Strand, order group.Order, near choose.StageID, today book.Day) Vines {
	out := Vines{Strand: string(strand), Order: string(order), Strands: []StrandLink{}, Orders: []Named{}, Groups: []VineGroup{}, Columns: []VineColumn{}}
	for _, s := range ladder.Strands() {
		out.Strands = append(out.Strands, StrandLink{string(s), say.StrandHeading(s), group.Wobbling(children, s, today)})
	}
	for _, o := range group.Orders() {
		out.Orders = append(out.Orders, Named{string(o), say.Order(o)})
	}
	for _, s := range []ladder.State{ladder.NotYet, ladder.Passed, ladder.Shown, ladder.Ready, ladder.UnderWay, ladder.Secure, ladder.CheckAgain, ladder.Wobbling} {
		out.Key = append(out.Key, Named{string(s), say.State(s)})
	}
	made := map[string][]Leaf{} // by child
	for _, g := range group.Groups(order, children, strand, near, today) {
		out.Groups = append(out.Groups, VineGroup{say.Need(g.Need), say.Children(len(g.Children)), len(g.Children)})
		for _, c := range g.Children {
			col := columnOf(w, c, g.Need, strand, today)
			made[c.ID] = col.Leaves
			out.Columns = append(out.Columns, col)
		}
	}
	here := slices.DeleteFunc(slices.Clone(children), func(c group.Child) bool { return c.Away })
	proposed := group.ProposedAt(here, strand, lesson.MostChildren, apart, today)
	for i, stage := range class.Stages(strand) {
		out.Stages = append(out.Stages, vineStageOf(w, class, children, made, strand, i, planOf(w, proposed[stage.ID], stage)))
	}
	out.First = string(group.Fullest(children, class, strand, today))
	return out
}

func columnOf(w say.Words, c group.Child, need group.Need, strand ladder.Strand, today book.Day) VineColumn {
	last, seen := c.LastSeen()
	col := VineColumn{Learner: Learner{c.ID, c.Name}, Never: !seen, Need: say.Need(need), Leaves: []Leaf{}}
	if seen {
		col.Days = int(today - last)
	}
	col.Waits = say.Waits(col.Days, col.Never)
	for _, l := range c.Vine(strand, today) {
		col.Leaves = append(col.Leaves, LeafOf(w, c.Child, l, today))
	}
	return col
}

func vineStageOf(w say.Words, class ladder.Class, children []group.Child, made map[string][]Leaf, strand ladder.Strand, i int, plan Plan) VineStage {
	stages := class.Stages(strand)
	stage := stages[i]
	out := VineStage{
		ID: string(stage.ID), Name: w.Stage(stage.ID), Asks: w.StageAsks(stage.ID), Example: w.Task(stage.Example),
		Says: say.PlaceInStrand(strand, i+1, len(stages)), Manners: MannersOf(stage.ID), Secure: make([]int, len(stage.Manners)), Groups: []StageSay{},
	}
	said := map[ladder.State][]Wants{}
	for _, c := range children {
		leaf := made[c.ID][i]
		for m, state := range leaf.Lobes {
			if state == string(ladder.Secure) {
				out.Secure[m]++
			}
		}
		said[ladder.State(leaf.State)] = append(said[ladder.State(leaf.State)], Wants{Learner{c.ID, c.Name}, leaf.Why})
	}
	for _, state := range []ladder.State{ladder.Wobbling, ladder.CheckAgain, ladder.Ready, ladder.Shown, ladder.UnderWay} {
		if len(said[state]) > 0 {
			out.Groups = append(out.Groups, StageSay{string(state), say.State(state), said[state]})
		}
	}
	out.Plan = plan
	return out
}

func planOf(w say.Words, children []group.Child, stage ladder.Stage) Plan {
	_, err := choose.ParseStage(string(stage.ID))
	p := Plan{Draws: err == nil && stage.ID.Laid() || number.Within(stage.ID, 0) || beads.Has(stage.ID), Children: []Learner{}, Seats: lesson.MostChildren}
	for _, c := range children {
		p.Children = append(p.Children, Learner{c.ID, c.Name})
	}
	p.Says = w.Plan(stage.ID, p.Draws, len(p.Children))
	return p
}

// LearnerView is one child with everything that is known.
type LearnerView struct {
	Learner
	Retired    bool        `json:"retired"`
	Says       string      `json:"says"` // how the child stands, in one or two sentences
	Strands    []Branch    `json:"strands"`
	Part       EntryPart   `json:"part"`    // the newest records
	Records    int         `json:"records"` // how many there are in all, corrected and withdrawn ones too
	Steps      []NextStep  `json:"steps"`
	Judgements []Judgement `json:"judgements"` // newest first
	States     []Named     `json:"states"`     // what a guide can judge
	Others     []Other     `json:"others"`     // the class by need
	Helps      []Named     `json:"helps"`      // with which a record can be corrected, as are the next
	Ways       []Named     `json:"ways"`
	Today      string      `json:"today"` // no record is of a later day
	Wrong      []GoesWrong `json:"wrong"` // what goes wrong, by the last answers
}

// Branch is a strand of one child, first stage first.
type Branch struct {
	ID     string `json:"id"`
	Name   string `json:"name"`
	Stages []Node `json:"stages"`
}

// Node is a stage of a branch.
type Node struct {
	Name    string  `json:"name"`
	Example string  `json:"example"`
	Manners []Named `json:"manners"`
	Lobes   []Lobe  `json:"lobes"` // how each manner stands
	Leaf    Leaf    `json:"leaf"`
}

// Lobe is how a stage stands in one manner.
type Lobe struct {
	State string  `json:"state"`
	Says  string  `json:"says"`
	Beads float64 `json:"beads"` // of the seven that the string holds; below nothing too
	Why   string  `json:"why"`
}

// NextStep is something to do with a child next.
type NextStep struct {
	Kind   string `json:"kind"`
	Stage  string `json:"stage"`
	Manner string `json:"manner"`
	Do     string `json:"do"`
	Why    string `json:"why"`
	Draws  bool   `json:"draws"`
}

// Judgement is what a guide judged; the reason is for the lead alone.
type Judgement struct {
	Day    string `json:"day"`
	Says   string `json:"says"`
	Reason string `json:"reason"`
	By     string `json:"by"`
}

// Other is another child of the class, with what it needs most.
type Other struct {
	Learner
	State string `json:"state"`
}

// Judge is what is sent to overrule.
type Judge struct {
	ID     string `json:"id" validate:"required,uuid"`
	Stage  string `json:"stage" validate:"required"`
	Manner string `json:"manner" validate:"required"`
	State  string `json:"state" validate:"required"`
	Reason string `json:"reason" validate:"max=2000"`
}

// BranchesOf makes the vine of one child.
func BranchesOf(w say.Words, c ladder.Child, today book.Day) []Branch {
	var out []Branch
	for _, strand := range ladder.Strands() {
		b := Branch{ID: string(strand), Name: say.StrandHeading(strand), Stages: []Node{}}
		for i, leaf := range c.Vine(strand, today) {
			stage := c.Class.Stages(strand)[i]
			node := Node{Name: w.Stage(stage.ID), Example: w.Task(stage.Example), Manners: MannersOf(stage.ID), Lobes: []Lobe{}, Leaf: LeafOf(w, c, leaf, today)}
			for _, lobe := range leaf.Lobes {
				node.Lobes = append(node.Lobes, Lobe{string(lobe.State), say.State(lobe.State), lobe.Beads.Float(), w.Reason(leaf.Stage, lobe, today)})
			}
			b.Stages = append(b.Stages, node)
		}
		out = append(out, b)
	}
	return out
}

// StepsOf makes what to do with a child next.
func StepsOf(w say.Words, c ladder.Child, today book.Day) []NextStep {
	out := []NextStep{}
	for _, step := range c.NextSteps(today) {
		do, why := w.NextStep(step, c.Proofs(step.Stage, today), today)
		_, err := choose.ParseStage(string(step.Stage))
		out = append(out, NextStep{string(step.Kind), string(step.Stage), string(step.Manner), do, why, err == nil})
	}
	return out
}

// StatesOf lists what a guide can judge.
func StatesOf() []Named {
	var out []Named
	for _, s := range []ladder.State{ladder.Secure, ladder.UnderWay, ladder.Wobbling} {
		out = append(out, Named{string(s), say.State(s)})
	}
	return out
}

// OthersOf lists the class by need, over all strands.
func OthersOf(children []group.Child, today book.Day) []Other {
	out := []Other{}
	for _, p := range group.Ranked(children, ladder.Strands(), today) {
		out = append(out, Other{Learner{p.ID, p.Name}, signs[p.Need]})
	}
	return out
}

// signs are the states by whose sign a need is shown.
var signs = map[group.Need]string{group.Steady: string(ladder.Wobbling), group.Check: string(ladder.CheckAgain), group.Start: string(ladder.Ready)}

// ChecksOf makes what wants to be looked at in the class.
func ChecksOf(w say.Words, list []group.Pressing, today book.Day) []Check {
	out := []Check{}
	for _, l := range list {
		out = append(out, Check{Learner{l.ID, l.Name}, string(l.Lobe.State), w.StageInManner(l.Stage, l.Lobe.Manner), w.InBrief(l.Stage, l.Lobe, today)})
	}
	return out
}

// MeetingOf makes a lesson that suggests itself, with a reason for each child.
func MeetingOf(class setting.Class, m group.Meeting, items []lesson.Item, minutes int, fits bool, today book.Day) Meeting {
	w := class.Words()
	made := Meeting{Stage: string(m.Stage), Manner: string(m.Manner), Leaving: m.Leaving, Name: w.Stage(m.Stage) + ", " + say.InManner(m.Manner), Tasks: []NewTask{}, Shown: []Begun{}, Minutes: say.Minutes(minutes), Fits: fits, Seats: []Seat{}, Why: say.Meeting(m)}
	if m.Off != nil {
		made.Again = say.PutOff(m.Off.On, m.Off.Why, today)
	}
	for _, item := range items {
		kept, err := json.Marshal(item.Task)
		if err != nil {
			continue // a task of a kind that nobody knows any more
		}
		made.Tasks = append(made.Tasks, NewTask{Task: kept, Stage: string(item.Stage), Manner: string(item.Manner)})
		shown := Begun{Task: w.Task(item.Task), Numbers: []int{}, Built: []int{}, Manner: string(item.Manner), Says: say.InManner(item.Manner)}
		if p, of := problem.From(item.Task); of {
			shown.Numbers, shown.Sign, shown.Built = ints(p.Written()), problem.Sign(p.Kind), ints(p.Built())
		}
		made.Shown = append(made.Shown, shown)
	}
	for _, s := range m.Seats {
		_, why := w.NextStep(s.Step, s.Proofs(s.Step.Stage, today), today)
		seat := Seat{Learner: Learner{s.ID, s.Name}, Why: say.Waited(s.Days, s.Never) + " " + why}
		if m.Leaving {
			seat.InRow, seat.Last = s.Step.Lobe.InRow, say.ShortDay(s.Step.Lobe.Last, today)
		}
		made.Seats = append(made.Seats, seat)
	}
	return made
}

// OffOf makes a lesson that was put off today; names are those of the children by their ids.
func OffOf(w say.Words, o group.PutOff, names map[string]string) Off {
	var who []string
	for _, id := range o.Children {
		who = append(who, names[id])
	}
	slices.Sort(who)
	return Off{string(o.Stage), string(o.Manner), o.Leaving, o.Children, fmt.Sprintf("%s: %s, %s", strings.Join(who, ", "), w.Stage(o.Stage), say.InManner(o.Manner))}
}

// WhysOf lists why a lesson can be put off.
func WhysOf() []Named {
	var out []Named
	for _, why := range group.Whys() {
		out = append(out, Named{string(why), say.Why(why)})
	}
	return out
}

// WeekOf makes the week back.
func WeekOf(rows []group.WeekRow, today book.Day) Week {
	out := Week{Days: []string{}, Now: slices.Index(group.SchoolWeek(today), today), Rows: []WeekRow{}}
	for _, d := range group.SchoolWeek(today) {
		out.Days = append(out.Days, d.Time().Format("Mon 2"))
	}
	for _, r := range rows {
		out.Rows = append(out.Rows, WeekRow{Learner{r.ID, r.Name}, r.Seen, r.Days, r.Away})
	}
	return out
}

// UnwrittenOf makes a lesson that waits to be written up.
func UnwrittenOf(w say.Words, id string, l lesson.Lesson, names []string, day, today book.Day) Unwritten {
	return Unwritten{Lesson: id, Day: say.ShortDay(day, today), Names: strings.Join(names, ", "), What: w.Task(l.Items[0].Task) + ", " + stageName(w, l.Items[0].Task, l.Items[0].Stage)}
}
