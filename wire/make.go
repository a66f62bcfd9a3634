package wire

import (
	"cmp"
	"encoding/json"
	"errors"
	"fmt"
	"strconv"
	"time"

	"vineswap/core/beads"
	"vineswap/core/book"
	"vineswap/core/chain"
	"vineswap/core/choose"
	"vineswap/core/hue"
	"vineswap/core/ladder"
	"vineswap/core/lesson"
	"vineswap/core/material"
	"vineswap/core/number"
	"vineswap/core/numberrods"
	"vineswap/core/opener"
	"vineswap/core/paper"
	"vineswap/core/piece"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/say"
	"vineswap/core/setting"
	"vineswap/core/slip"
	"vineswap/core/snake"
	"vineswap/core/swap"
	"vineswap/core/task"
	"vineswap/core/trace"
)

// WordsOf makes the labels of a class.
func WordsOf(w say.Words) Words {
	out := Words{NoSwap: w.NoSwap(), ASwap: w.ASwap(), Swaps: w.SwapNouns(), Swapped: w.Swapped(), Bank: w.TheBank(), Adult: w.TheAdult(), AtOnce: say.Came(book.Default)}
	for n := range book.MostRuns {
		out.Times = append(out.Times, say.Ordinal(n+1)+" time")
	}
	for _, p := range place.All() {
		out.Places = append(out.Places, PlaceWords{p.String(), w.PlaceOne(p), w.PlaceMany(p), p.Unit()})
	}
	for _, kind := range material.Kinds() {
		m := Material{ID: string(kind), Name: string(kind)}
		for p := place.Ones; p.HasPiece(); p++ {
			m.Pieces = append(m.Pieces, PieceWord{say.Piece(kind, p, 1), say.Piece(kind, p, 2)})
		}
		out.Materials = append(out.Materials, m)
	}
	return out
}

// SettingsOf makes the settings of a class at a revision.
func SettingsOf(c setting.Class, revision int) Settings {
	return Settings{
		Revision: revision, Swap: string(c.Swap), Places: string(c.Places), And: c.And, Material: string(c.Material),
		Digits: string(c.Digits), Teens: string(c.Teens), Comma: string(c.Comma), When: string(c.When), Carried: string(c.Carried), Crossing: string(c.Crossing), Order: string(c.Order), Zeros: string(c.Zeros), Filled: string(c.Filled), Range: string(c.Range),
		Bank: string(c.Bank), Adult: string(c.Adult), Signs: string(c.Signs), Rack: string(c.Rack), Stairs: string(c.Stairs), Remainders: string(c.Remainders),
		Colours: coloursOf(c.Colours), Habits: habitsOf(c.Habits),
	}
}

func habitsOf(h setting.Habits) map[string]string {
	out := map[string]string{}
	for id, name := range h {
		out[string(id)] = name
	}
	return out
}

// ClassOf reads settings; what is unknown is told by setting.Made.
func ClassOf(s Settings) setting.Class {
	habits := setting.Habits{}
	for id, name := range s.Habits {
		habits[slip.ID(id)] = name
	}
	return setting.Class{
		Habits: habits,
		Swap:   say.SwapWord(s.Swap), Places: say.PlaceWord(s.Places), And: s.And, Material: material.Kind(s.Material), Digits: say.DigitWord(s.Digits),
		Teens: say.TeenWord(s.Teens), Comma: say.Separator(s.Comma), When: trace.When(s.When), Carried: paper.Carried(s.Carried), Crossing: paper.Crossing(s.Crossing), Order: trace.Order(s.Order), Zeros: trace.Zeros(s.Zeros), Filled: trace.Filled(cmp.Or(s.Filled, string(trace.ByRows))), Range: choose.Range(s.Range),
		Bank: say.BankWord(s.Bank), Adult: say.AdultWord(s.Adult), Signs: say.SignWord(cmp.Or(s.Signs, string(say.InSigns))), Rack: say.RackSide(cmp.Or(s.Rack, string(say.ToLeft))),
		Colours: setOf(s.Colours), Stairs: cmp.Or(beads.Stairs(s.Stairs), beads.StairsSides()[0]), Remainders: cmp.Or(beads.Remainders(s.Remainders), beads.OneOfEach),
	}
}

func coloursOf(s hue.Set) Colours {
	var out Colours
	for _, c := range s.Places {
		out.Places = append(out.Places, string(c))
	}
	for _, c := range s.Stair {
		out.Stair = append(out.Stair, string(c))
	}
	for _, c := range s.Rack {
		out.Rack = append(out.Rack, string(c))
	}
	return out
}

func setOf(c Colours) hue.Set {
	var out hue.Set
	for i := range min(len(c.Places), hue.Places) {
		out.Places[i] = hue.Colour(c.Places[i])
	}
	for i := range min(len(c.Stair), hue.Stairs) {
		out.Stair[i] = hue.Colour(c.Stair[i])
	}
	for i := range min(len(c.Rack), hue.Racks) {
		out.Rack[i] = hue.Colour(c.Rack[i])
	}
	return out
}

// PaletteOf makes the colours of a class for the screen.
func PaletteOf(w say.Words, s hue.Set) Palette {
	out := Palette{Ours: coloursOf(hue.Ours()), Alike: w.Alike(s)}
	shade := func(id, name string, c hue.Colour) Shade {
		made := hue.ShadeOf(c)
		return Shade{id, name, string(made.Fill), string(made.Ink), string(made.Tint), say.Darkened(made)}
	}
	for i, c := range s.Places {
		p := place.Place(i)
		out.Places = append(out.Places, shade(p.String(), w.PlaceMany(p), c))
	}
	for i, c := range s.Stair {
		out.Stair = append(out.Stair, shade(fmt.Sprint("stair-", i+1), fmt.Sprint("bar of ", i+1), c))
	}
	for i, c := range s.Rack {
		out.Rack = append(out.Rack, shade(fmt.Sprint("rack-", i+1), say.RackBeads(i), c))
	}
	return out
}

// StageOf makes a stage with its figure.
func StageOf(w say.Words, id choose.StageID) Stage {
	if number.Within(id, 0) {
		return Stage{ID: string(id), Name: w.Stage(id), Asks: w.StageAsks(id), Knots: []string{}, Kind: string(number.Kind), Hollow: []bool{}}
	}
	if beads.Has(id) {
		s := Stage{ID: string(id), Name: w.Stage(id), Asks: w.StageAsks(id), Knots: []string{}, Kind: string(beads.Kind(id)), Hollow: []bool{}}
		if beads.Kind(id) == snake.Kind {
			s.Cut = snake.Cut(id).String()
		}
		return s
	}
	f := id.Figure()
	s := Stage{ID: string(id), Name: w.Stage(id), Asks: w.StageAsks(id), Least: id.Least(), Most: id.Most(), Made: f.Made, Knots: []string{}, Kind: string(id.Kind()), Few: id.Numbers(), Hollow: f.Zeros}
	for _, knot := range f.Knots {
		s.Knots = append(s.Knots, knot.String())
	}
	return s
}

// StagesOf makes the stages that numbers in the range of a class can be chosen for.
func StagesOf(class setting.Class) []Stage {
	w, limit := class.Words(), class.Range.Limit()
	out := []Stage{}
	for i, id := range number.Stages() {
		if number.Within(id, limit) {
			stage := StageOf(w, id)
			stage.Opens = i == 0
			if one, err := oneOf(class, number.Example(id)); err == nil {
				stage.Example = &one
			}
			out = append(out, stage)
		}
	}
	for i, id := range beads.Stages() {
		stage := StageOf(w, id)
		stage.Opens = i == 0
		out = append(out, stage)
	}
	for _, id := range choose.Stages() {
		if id.Within(limit) {
			stage := StageOf(w, id)
			stage.Opens = id == choose.Opening(id.Kind(), limit)
			out = append(out, stage)
		}
	}
	return out
}

// SumOf makes a problem, in the class's words and notation, with its swaps, pieces
// and the stage that it counts for. The error is that of swap.Solve.
func SumOf(class setting.Class, p problem.Problem, chosen choose.StageID) (Sum, error) {
	record, err := json.Marshal(p.Task())
	if err != nil {
		return Sum{}, err
	}
	t, err := swap.By(class.Method(), p)
	if err != nil {
		return Sum{}, err
	}
	w := class.Words()
	out := Sum{
		Kind: string(p.Kind), Sign: problem.Sign(p.Kind), Numbers: ints(p.Numbers), Text: p.String(), Said: w.Sum(p), Answer: int(t.Answer), Words: w.Number(t.Answer),
		Task: record, Stage: StageOf(w, ladder.Credit(p.Task(), chosen)), Swaps: w.SwapsOf(t), Columns: columnsOf(w, t), Pieces: []Pieces{}, Sheet: sheetOf(class.Notation().Sheet(t)),
	}
	out.AsChain = asChain(p)
	needs := material.For(t.Trace)
	if out.LaidOut = !needs.CardsAlone; needs.CardsAlone {
		out.Why = w.CardsAlone(p.Reach())
	}
	for _, p := range needs.Pieces {
		out.Pieces = append(out.Pieces, Pieces{p.Place.String(), p.Fullest, p.Trays, p.Up})
	}
	return out, nil
}

// columnsOf makes the columns of a problem, in the order in which they are worked.
func columnsOf(w say.Words, t swap.Trace) []Column {
	out := []Column{}
	for _, c := range t.Worked() {
		out = append(out, Column{
			Place: c.Place.String(), Sum: c.Count, In: c.In, Out: c.Out, Stays: c.Stays, Swaps: c.Swaps, Made: c.Made || c.Swaps && c.Crossed, Zero: len(c.Digits) > 0 && c.Top() == 0,
			Caused: w.Caused(t.Problem.Kind, c),
		})
	}
	return out
}

func sheetOf(s paper.Sheet) Sheet {
	out := Sheet{Numbers: s.Numbers, Over: s.Over, Under: s.Under, Sign: s.Sign(), Behind: s.Behind(), Beside: s.Beside(), Marks: []Ink{}}
	for _, m := range s.Marks {
		out.Marks = append(out.Marks, Ink{m.Row, m.Place.String(), m.Digit, string(m.Side), m.Struck})
	}
	return out
}

func ints(numbers []place.Number) []int {
	out := make([]int, len(numbers))
	for i, n := range numbers {
		out[i] = int(n)
	}
	return out
}

// TaskOf makes a task, in the class's words: a problem with all that is to be seen
// of it, another kind by what it asks and what is right.
func TaskOf(class setting.Class, t task.Task, chosen choose.StageID) (Sum, error) {
	if p, of := problem.From(t); of {
		return SumOf(class, p, chosen)
	}
	record, err := json.Marshal(t)
	w := class.Words()
	out := Sum{
		Kind: string(t.Kind), Numbers: []int{}, Task: record, Text: t.String(), Said: w.Task(t), Sheet: Sheet{Marks: []Ink{}}, Answer: int(lesson.First(t)), Words: t.Result(),
		Stage: StageOf(w, ladder.Credit(t, chosen)), Columns: []Column{}, Pieces: []Pieces{},
	}
	out.Stage.Name = stageName(w, t, chosen)
	if a, of := number.From(t); of {
		one, wrong := oneOf(class, a)
		out.One, err = &one, errors.Join(err, wrong)
	}
	if s, of := snake.From(t); of {
		out.Snake, out.Said = snakeOf(w, s), say.SnakeName(len(s.Bars))
	}
	if c, of := chain.From(t); of {
		out.Chain = chainOf(c)
	}
	if r, of := numberrods.From(t); of {
		out.Rods = rodsOf(r)
	}
	return out, err
}

// stageName names the stage that a task counts for. A card and a planted slip count for none.
func stageName(w say.Words, t task.Task, chosen choose.StageID) string {
	if t.Kind == opener.OfCards || t.Kind == opener.OfSpots {
		return "an opener"
	}
	return w.Stage(ladder.Credit(t, chosen))
}

// LinkOf makes the short form of a lesson for the ribbon and Today.
func LinkOf(class setting.Class, id string, l lesson.Lesson, v lesson.View, children []lesson.Child, since string) (LessonLink, error) {
	sum, err := TaskOf(class, l.Current().Task, l.Current().Stage)
	if err != nil {
		return LessonLink{}, err
	}
	w := class.Words()
	marks, _ := v.Ribbon(w, len(children))
	now := l.Now(v, w, len(children))
	link := LessonLink{
		ID: id, Sum: sum, Stand: string(l.Stand), Material: string(l.InHand(l.Nth)), Children: []string{},
		Nth: l.Nth, Tasks: len(l.Items), Ribbon: []Mark{}, Mark: now.Mark, Next: now.Next, Said: now.Said, Since: since,
	}
	switch m := l.Current().Manner; {
	case sum.Snake != nil, sum.Chain != nil, sum.Rods != nil:
		link.With = say.WithBars(sum.Rods != nil, l.Current().Manner)
	case sum.One != nil, l.Current().Task.Kind == opener.OfCards, l.Current().Task.Kind == opener.OfSpots:
	case m != "" && !m.WithMaterial():
		link.With = say.InManner(m)
	case !sum.LaidOut:
		link.With = "with cards"
	default:
		link.With = "with " + string(l.InHand(l.Nth))
	}
	for _, m := range marks {
		link.Ribbon = append(link.Ribbon, Mark(m))
	}
	if link.Whole = l.Whole; l.Whole {
		link.Ribbon, link.Mark = tasksOf(w, l), l.Nth
		return link, nil
	}
	for _, c := range children {
		link.Children = append(link.Children, c.Name)
	}
	return link, nil
}

// tasksOf are the tasks of a lesson for the whole class, as the nodes of its stem.
func tasksOf(w say.Words, l lesson.Lesson) []Mark {
	marks := []Mark{}
	for nth, item := range l.Items {
		marks = append(marks, Mark{Name: w.TaskShort(item.Task), At: strconv.Itoa(nth)})
	}
	return marks
}

// LessonOf makes the whole view of a lesson.
func LessonOf(class setting.Class, link LessonLink, revision int, v lesson.View, children []lesson.Child) Lesson {
	w := class.Words()
	_, marks := v.Ribbon(w, 0)
	out := Lesson{Link: link, Revision: revision, Children: []Learner{}, Apart: []string{}, Seats: lesson.MostChildren, Index: v.Index, Needs: needsOf(w, v), Roles: []Role{}, Then: []string{}, Steps: []Step{}, Finish: lesson.Finish(len(children)), WriteUp: say.WriteUp,
		Top: v.Top().String(), Scene: string(v.Trace.Scene)}
	for i, c := range children {
		out.Children = append(out.Children, Learner{c.ID, c.Name})
		out.Roles = append(out.Roles, Role{c.Name, v.Roles[i]})
	}
	var sheets, added []paper.Sheet
	p, of := swap.From(v.Trace)
	if len(children) > 1 {
		out.Turns = w.Turns(v.Trace.Task, v.Each)
	}
	if of {
		sheets = class.Notation().Sheets(p)
	}
	if of && p.Problem.Kind == problem.Trays { // written one below the other too
		n := class.Notation()
		n.Added = true
		added = n.Sheets(p)
	}
	for i, s := range v.Trace.Steps {
		step := stepOf(s, v.Lines[i], v.Turns[i], marks[i])
		step.Ask, step.Form, step.Sheet = v.Asks[i], []string{}, Sheet{Marks: []Ink{}}
		step.Snake, step.Chain, step.Rods = snakeAt(v.Trace, i), chainAt(v.Trace, i), rodsAt(v.Trace, i)
		if v.Needs.CardsAlone {
			step.Laid = cardsLaid(s.Zones)
		}
		if of {
			step.Sheet, step.Form = sheetOf(sheets[i]), paper.ExpandedAt(p, i).Lines()
		}
		if added != nil {
			sheet := sheetOf(added[i])
			step.Added = &sheet
		}
		for _, c := range s.Column {
			if !of {
				step.Written = append(step.Written, Written{c.Place.String(), c.Digit})
			}
		}
		out.Steps = append(out.Steps, step)
	}
	return out
}

// RoundOf adds what a lesson for the whole class is besides.
func RoundOf(class setting.Class, l lesson.Lesson, out Lesson) Lesson {
	out.Round = roundOf(l)
	t := l.Current().Task
	if c, of := opener.CardFrom(t); of {
		out.Card = c.Text
	}
	if s, of := opener.SpotFrom(t); of {
		made := spotOf(class, s)
		out.Spot = &made
	}
	return out
}

// ThenOf lists the tasks that come after the one in hand, and how they are worked.
func ThenOf(w say.Words, l lesson.Lesson) []string {
	then := []string{}
	for nth := l.Nth + 1; nth < len(l.Items); nth++ {
		then = append(then, w.Task(l.Items[nth].Task)+", "+say.InManner(l.Key(nth).Manner))
	}
	return then
}

func stepOf(s trace.Step, line say.Line, turn, mark int) Step {
	out := Step{
		At: s.At.String(), Kind: string(s.Kind), Do: line.Do, Says: []Span{}, Tray: s.Tray, Ten: s.Ten, Count: s.Count,
		Moves: []Move{}, Zones: map[string]map[string]int{}, Cards: ints(s.Cards), Turn: turn, Mark: mark, Before: lesson.BeforeCounting(s.At),
	}
	if s.At.Phase == trace.Work || s.At.Phase == trace.Swapping {
		out.Place = s.At.Place.String()
	}
	if s.Kind == number.Each || s.Kind == number.Compare || s.Kind == number.Together {
		out.Place = s.To.String()
	}
	for _, span := range line.Says {
		made := Span{Text: span.Text}
		if span.Strong {
			made.Place = span.Place.String()
		}
		out.Says = append(out.Says, made)
	}
	for _, m := range s.Moves {
		out.Moves = append(out.Moves, Move{string(m.From), string(m.To), m.Piece.String(), m.Count})
	}
	for _, pile := range s.Zones {
		counts := map[string]int{}
		for p, n := range pile.Pieces {
			if n > 0 {
				counts[piece.Piece(p).String()] = int(n)
			}
		}
		out.Zones[string(pile.Zone)] = counts
	}
	if s.Kind == swap.SwapDown || s.Kind == swap.SwapUp {
		out.From, out.To = s.From.String(), s.To.String()
	}
	return out
}

// cardsLaid says which cards lie for the pieces of each zone: 13 tens are 100 and 30
// on one another.
func cardsLaid(zones trace.Zones) map[string]map[string][]int {
	out := map[string]map[string][]int{}
	for _, pile := range zones {
		at := map[string][]int{}
		for p, n := range pile.Pieces {
			if of := piece.Piece(p); n > 0 {
				at[of.String()] = ints(place.Number(int(n) * of.Worth()).Expanded())
			}
		}
		out[string(pile.Zone)] = at
	}
	return out
}

func needsOf(w say.Words, v lesson.View) Needs {
	n := v.Needs
	out := Needs{Small: [][]int{}, Large: ints(n.LargeCards), Alone: n.CardsAlone, Trays: n.Trays, Cautions: []Care{}, Minutes: n.Minutes}
	for _, cards := range n.SmallCards {
		out.Small = append(out.Small, ints(cards))
	}
	for _, c := range n.Cautions {
		text := map[string]string{}
		for _, kind := range material.Kinds() {
			if said := say.Caution(c, kind); said != "" {
				text[string(kind)] = said
			}
		}
		out.Cautions = append(out.Cautions, Care{string(c), text})
	}
	out.Fetch = []Fetch{}
	for _, item := range n.Items {
		f := Fetch{ID: item.Piece.String(), Count: item.Count, Name: say.PieceFetched(item.Piece, item.Count)}
		if _, f.Placed = item.Piece.Place(); f.Placed && (v.Trace.Scene == snake.Scene || v.Trace.Scene == chain.Scene) && item.Piece == piece.Of(place.Tens) {
			f.ID, f.Name, f.Placed = "golden-10", say.GoldenBars(item.Count), false
		}
		out.Fetch = append(out.Fetch, f)
	}
	for _, thing := range n.Things {
		out.Fetch = append(out.Fetch, Fetch{ID: string(thing.Thing), Count: thing.Count, Name: say.Fetched(thing.Thing, thing.Count)})
	}
	out.Laid = []string{}
	p, of := swap.From(v.Trace)
	if !of {
		if len(v.Trace.Steps) > 0 {
			out.Time, out.Basis = say.Minutes(n.Minutes), say.OneBasis
		}
		return out
	}
	out.Laid, out.Result = w.Trays(p.Problem)
	out.TraysSay, out.CardsSay = say.Trays(p.Problem), say.CardSets(len(n.SmallCards))
	out.Time, out.Basis = say.Minutes(n.Minutes), w.For(p.Problem.Kind).MinutesBasis(len(p.Swaps), n.CardsAlone)
	return out
}

// ChoicesOf makes the settings view: each side with a live example.
func ChoicesOf(now setting.Class) Choices {
	said := func(kind trace.StepKind) func(setting.Class) string {
		return func(c setting.Class) string { return c.Words().Example(kind, c.Method()) }
	}
	number := func(n place.Number) func(setting.Class) string {
		return func(c setting.Class) string { return fmt.Sprintf("%s: %s", c.Words().Numeral(n), c.Words().Number(n)) }
	}
	return Choices{[]Matter{
		matter(now, "swap", say.SwapWords(), func(c *setting.Class, side say.SwapWord) { c.Swap = side }, said(swap.MakeSwap)),
		matter(now, "places", say.PlaceWords(), func(c *setting.Class, side say.PlaceWord) { c.Places = side }, said(swap.CountUp)),
		matter(now, "bank", say.BankWords(), func(c *setting.Class, side say.BankWord) { c.Bank = side }, func(c setting.Class) string { return c.Words().BankExample() }),
		matter(now, "adult", say.AdultWords(), func(c *setting.Class, side say.AdultWord) { c.Adult = side }, func(c setting.Class) string { return c.Words().AdultExample() }),
		matter(now, "digits", say.DigitWords(), func(c *setting.Class, side say.DigitWord) { c.Digits = side }, said(swap.Build)),
		matter(now, "when", []trace.When{trace.AtTen, trace.AfterColumn}, func(c *setting.Class, side trace.When) { c.When = side }, said(swap.CountUp)),
		written(now, "carried", paper.CarriedSides(), func(c *setting.Class, side paper.Carried) { c.Carried = side }, problem.SumOf(38, 27)),
		written(now, "crossing", paper.CrossingSides(), func(c *setting.Class, side paper.Crossing) { c.Crossing = side }, problem.DifferenceOf(503, 128)),
		matter(now, "order", []trace.Order{trace.AsNeeded, trace.SwapsFirst}, func(c *setting.Class, side trace.Order) { c.Order = side }, func(c setting.Class) string { return c.Words().OrderExample(c.Method()) }),
		matter(now, "zeros", []trace.Zeros{trace.PlaceByPlace, trace.AsOne}, func(c *setting.Class, side trace.Zeros) { c.Zeros = side }, func(c setting.Class) string { return c.Words().ZerosExample(c.Method()) }),
		matter(now, "filled", []trace.Filled{trace.ByRows, trace.ByPairs}, func(c *setting.Class, side trace.Filled) { c.Filled = side }, func(c setting.Class) string { return c.Words().FilledExample(c.Method()) }),
		matter(now, "and", []sideOfAnd{"false", "true"}, func(c *setting.Class, side sideOfAnd) { c.And = side == "true" }, said(swap.ReadOut)),
		matter(now, "teens", say.TeenWords(), func(c *setting.Class, side say.TeenWord) { c.Teens = side }, number(17)),
		matter(now, "comma", say.Separators(), func(c *setting.Class, side say.Separator) { c.Comma = side }, number(3_825)),
		matter(now, "signs", say.SignWords(), func(c *setting.Class, side say.SignWord) { c.Signs = side }, func(c setting.Class) string { return c.Words().SignExample() }),
		matter(now, "rack", say.RackSides(), func(c *setting.Class, side say.RackSide) { c.Rack = side }, func(c setting.Class) string { return say.RackExample(c.Rack) }),
		matter(now, "stairs", beads.StairsSides(), func(c *setting.Class, side beads.Stairs) { c.Stairs = side }, func(c setting.Class) string { return say.StairsExample(c.Beads().Stairs) }),
		matter(now, "remainders", beads.RemainderSides(), func(c *setting.Class, side beads.Remainders) { c.Remainders = side }, func(c setting.Class) string { return say.RemaindersExample(c.Beads().Remainders) }),
		matter(now, "range", choose.Ranges(), func(c *setting.Class, side choose.Range) { c.Range = side }, func(c setting.Class) string { return c.Words().RangeExample(c.Range) }),
		matter(now, "material", material.Kinds(), func(c *setting.Class, side material.Kind) { c.Material = side }, func(c setting.Class) string { return say.PieceNames(c.Material) }),
	}}
}

// sideOfAnd is how the setting of “and” crosses the wire.
type sideOfAnd string

// matter makes one setting: each side with what it would say.
func matter[T ~string](now setting.Class, id string, sides []T, set func(*setting.Class, T), example func(setting.Class) string) Matter {
	m := Matter{ID: id, Name: now.Words().Matter(id)}
	for _, side := range sides {
		c := now
		set(&c, side)
		name := say.Side(id, string(side))
		if name == "" {
			name = c.Words().ASwap() // the word itself
		}
		m.Sides = append(m.Sides, Side{Value: string(side), Name: name, Example: example(c)})
	}
	return m
}

// written makes a setting of the written column: each side with a problem as it
// would be written.
func written[T ~string](now setting.Class, id string, sides []T, set func(*setting.Class, T), p problem.Problem) Matter {
	m := matter(now, id, sides, set, func(c setting.Class) string { return c.Words().Sum(p) })
	for i, side := range sides {
		c := now
		set(&c, side)
		if t, err := swap.By(c.Method(), p); err == nil {
			sheet := sheetOf(c.Notation().Sheet(t))
			m.Sides[i].Sheet = &sheet
		}
	}
	return m
}

// DayOf writes a day as a guide says it.
func DayOf(t time.Time) string { return t.Format("Monday 2 January") }
