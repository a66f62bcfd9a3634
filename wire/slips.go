package wire

import (
	"encoding/json"
	"math"
	"slices"

	"vineswap/core/book"
	"vineswap/core/diagnose"
	"vineswap/core/ladder"
	"vineswap/core/lesson"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/say"
	"vineswap/core/setting"
	"vineswap/core/slip"
	"vineswap/core/task"
	"vineswap/core/trace"
)

// SlipSays is what is said of a slip, on the screen of an adult alone.
type SlipSays struct {
	Says  string `json:"says"`
	Look  string `json:"look"`  // what to look for
	Helps string `json:"helps"` // the step with material that helps
	Own   string `json:"own"`   // the class's own name for it; empty where it has none
}

// Gave is a wrong answer to a task that slips explain.
type Gave struct {
	Answer   string     `json:"answer"`   // as it is written
	Slips    [][]string `json:"slips"`    // the ids: each gives just this, one slip or two together
	Shows    string     `json:"shows"`    // in which places it differs from the right one; empty for none
	Places   []string   `json:"places"`   // the same, by their ids
	Lacks    []Written  `json:"lacks"`    // what it has less than the right one, where it has nothing more
	Fewer    string     `json:"fewer"`    // the same, as it is said
	At       string     `json:"at"`       // the step of the work that helps; empty where there is none
	StepSays string     `json:"stepSays"` // and how it is called
}

// gavesOf lists the answers to a task that slips explain, and what is said of these slips.
func gavesOf(class setting.Class, t task.Task, says map[string]SlipSays) []Gave {
	w := class.Words()
	if p, of := problem.From(t); of {
		w = w.For(p.Kind)
	}
	out := []Gave{}
	for _, g := range lesson.Wrongs(t, class.Method()) {
		gave := Gave{Answer: t.Write(g.Answer), Slips: [][]string{}, Shows: w.ShowsIn(g.Shows), Places: []string{}, Lacks: []Written{}}
		for _, p := range g.Shows {
			gave.Places = append(gave.Places, p.String())
		}
		for _, ids := range g.Slips {
			gave.Slips = append(gave.Slips, sayingOf(class, w, ids, says))
		}
		var places []place.Place
		var counts []int
		for _, l := range g.Lacks {
			gave.Lacks = append(gave.Lacks, Written{l.Place.String(), l.Count})
			places, counts = append(places, l.Place), append(counts, l.Count)
		}
		if len(places) > 0 {
			gave.Fewer = w.Fewer(places, counts)
		}
		if g.Step != nil {
			gave.At, gave.StepSays = g.Step.String(), w.HelpingStep(g.Step.Place, g.Step.Phase == trace.Work || g.Step.Phase == trace.Swapping, g.Swaps)
		}
		out = append(out, gave)
	}
	return out
}

// sayingOf lists the ids of some slips, and notes what is said of each.
func sayingOf(class setting.Class, w say.Words, ids []slip.ID, says map[string]SlipSays) []string {
	names := make([]string, len(ids))
	for i, id := range ids {
		names[i] = string(id)
		says[names[i]] = SlipSays{say.Slip(id), w.LookFor(id), w.HelpsWith(id), class.Habits[id]}
	}
	return names
}

// GoesWrong is something that goes wrong in a child's work, as it is told on its page.
type GoesWrong struct {
	Slip    string        `json:"slip"`    // its id, where one is told
	Own     string        `json:"own"`     // the class's own name for it; empty where it has none
	Says    string        `json:"says"`    // the slip; or that several explain as much, or none
	Under   string        `json:"under"`   // in which work, and how many of the last answers it explains
	Told    bool          `json:"told"`    // one slip is told
	Facts   bool          `json:"facts"`   // it works rightly, with a wrong fact now and then
	Likely  int           `json:"likely"`  // of ten beads
	Sure    string        `json:"sure"`    // almost sure, likely, not enough to tell
	Answers []WrongAnswer `json:"answers"` // that show it, the newest first
	Look    string        `json:"look"`
	Helps   string        `json:"helps"`
	Rivals  []Rival       `json:"rivals"` // what else it could be
	Ask     *AskOne       `json:"ask,omitempty"`
	Tasks   []NewTask     `json:"tasks"`  // that bring the slip out, with material
	Shown   string        `json:"shown"`  // the first of them, as it is written
	Would   string        `json:"would"`  // what the slip gives for it
	Lesson  string        `json:"lesson"` // their stage and manner
}

// WrongAnswer is an answer that shows a slip, or that the slip gives rightly.
type WrongAnswer struct {
	Day     string `json:"day"`
	Task    string `json:"task"`
	Sign    string `json:"sign"`
	Numbers []int  `json:"numbers"` // of a problem; none for other tasks
	Given   string `json:"given"`
	Result  string `json:"result"`
	Right   bool   `json:"right"`
}

// Rival is another slip that explains some of the answers.
type Rival struct {
	Says    string `json:"says"`
	Likely  int    `json:"likely"`  // of ten beads
	Against string `json:"against"` // which answer tells against it; empty for none
}

// AskOne is the question that would tell what explains the answers.
type AskOne struct {
	Task  NewTask     `json:"task"`
	Says  string      `json:"says"`
	Gives []WouldGive `json:"gives"`
	Set   []NewTask   `json:"set"`   // the fewest questions that settle it together, where one does not
	Named string      `json:"named"` // these, as they are written
}

// WouldGive is what an explanation gives for a question.
type WouldGive struct {
	Answer string `json:"answer"`
	Says   string `json:"says"`
	Right  bool   `json:"right"`
}

// The most answers that are shown of a slip, and the most that a question is told to give.
const (
	mostShown = 6
	mostGiven = 3
)

// GoesWrongOf lists what goes wrong in a child's work.
func GoesWrongOf(class setting.Class, suspects []lesson.Suspect, today book.Day) []GoesWrong {
	w := class.Words()
	out := []GoesWrong{}
	for _, s := range suspects {
		g := GoesWrong{
			Slip: string(s.Slip), Own: class.Habits[s.Slip],
			Says: say.Suspect(s.Verdict, s.Slip, s.Same()), Under: say.Explained(s.Field, s.Shows, s.Wrong, len(s.Answers), s.Slip != "" || len(s.Rivals) > 0),
			Told: s.Slip != "", Facts: s.Verdict == diagnose.FactSlips, Likely: beadsOf(s.Likely), Sure: say.HowSure(s.Likely), Answers: []WrongAnswer{}, Rivals: []Rival{}, Tasks: []NewTask{},
		}
		if s.Slip != "" {
			g.Look, g.Helps = w.LookFor(s.Slip), w.HelpsWith(s.Slip)
		}
		for _, i := range slices.Backward(s.Fits) {
			if len(g.Answers) < mostShown {
				g.Answers = append(g.Answers, wrongAnswerOf(w, s.Answers[i], today))
			}
		}
		for _, r := range s.Rivals {
			rival := Rival{Says: say.Slip(r.Slip), Likely: beadsOf(r.Likely)}
			if r.Against >= 0 {
				rival.Against = w.TellsAgainst(s.Answers[r.Against].Task)
			}
			g.Rivals = append(g.Rivals, rival)
		}
		if s.Ask != nil {
			g.Ask = askOneOf(w, s)
		}
		for i, item := range s.Brings {
			record, err := json.Marshal(item.Task)
			if err != nil {
				continue
			}
			g.Tasks = append(g.Tasks, NewTask{Task: record, Stage: string(item.Stage), Manner: string(item.Manner)})
			if i == 0 {
				would, _ := item.Task.Slipped(s.Slip)
				g.Shown, g.Would, g.Lesson = w.Task(item.Task), item.Task.Write(would), w.Stage(item.Stage)+", "+say.InManner(item.Manner)
			}
		}
		out = append(out, g)
	}
	return out
}

func beadsOf(likely float64) int { return int(math.Round(10 * likely)) }

func wrongAnswerOf(w say.Words, o book.Observation, today book.Day) WrongAnswer {
	a := WrongAnswer{Day: say.ShortDay(o.Day, today), Task: w.Task(o.Task), Numbers: []int{}, Given: o.Answer, Result: o.Task.Result(), Right: o.Right()}
	if p, of := problem.From(o.Task); of && !p.Rests() {
		a.Sign, a.Numbers = problem.Sign(p.Kind), ints(p.Numbers)
	}
	return a
}

// askOneOf lists each answer of the question once, with what it would mean.
func askOneOf(w say.Words, s lesson.Suspect) *AskOne {
	record, err := json.Marshal(s.Ask.Task)
	if err != nil {
		return nil
	}
	ask := &AskOne{Task: NewTask{Task: record, Stage: string(ladder.Credit(s.Ask.Task, s.Stage))}, Says: w.Task(s.Ask.Task), Gives: []WouldGive{}, Set: []NewTask{}}
	if len(s.Settles) > 1 {
		var names []string
		for _, t := range s.Settles {
			if record, err := json.Marshal(t); err == nil {
				ask.Set, names = append(ask.Set, NewTask{Task: record, Stage: string(ladder.Credit(t, s.Stage))}), append(names, w.Task(t))
			}
		}
		ask.Named = say.Listed(names)
	}
	for _, g := range s.Ask.Gives {
		right := s.Ask.Task.IsRight(g.Answer)
		known := slices.ContainsFunc(ask.Gives, func(x WouldGive) bool { return x.Answer == g.Answer })
		if known || len(ask.Gives) == mostGiven {
			continue
		}
		says := say.Slips(g.Slips)
		if right {
			says = say.RightMeans(g.Slips)
		}
		ask.Gives = append(ask.Gives, WouldGive{g.Answer, says, right})
	}
	return ask
}
