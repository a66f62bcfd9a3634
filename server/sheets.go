package server

import (
	"bufio"
	"bytes"
	"cmp"
	"context"
	"encoding/base64"
	"encoding/json"
	"errors"
	"fmt"
	"hash/fnv"
	"log/slog"
	"mime"
	"slices"
	"strings"
	"time"

	"github.com/gofiber/fiber/v3"
	"github.com/google/uuid"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/group"
	"vineswap/core/ladder"
	"vineswap/core/sheet"
	"vineswap/core/task"
	"vineswap/printing"
	"vineswap/store"
	"vineswap/wire"
)

// mostOut is how many of the sheets that were printed are listed.
const mostOut = 40

// sheets answers the view in which sheets are printed.
func (s *Server) sheets(c *call) error {
	today, _, err := s.today(c)
	if err != nil {
		return err
	}
	now, err := s.children(c, today)
	if err != nil {
		return err
	}
	out := wire.SheetsOf(c.class.Settings)
	for _, child := range now.children {
		out.Children = append(out.Children, wire.Learner{ID: child.ID, Name: child.Name})
		if child.Away {
			out.Away = append(out.Away, child.ID)
		}
	}
	list, err := s.store.SheetsOut(c.Context(), c.class.ID, mostOut)
	for _, o := range list {
		if o.Kind.Answered() || o.Kind == sheet.Minute {
			out.Out = append(out.Out, outOf(o, today))
		}
	}
	if err != nil {
		return err
	}
	return c.JSON(out)
}

func outOf(o store.SheetOut, today book.Day) wire.SheetOut {
	return wire.SheetOutOf(o.ID.String(), o.Code, o.Kind, book.DayOf(o.Day.UTC()), today, o.Children, o.Typed)
}

// wrongSheet says why a sheet cannot be made.
func wrongSheet(err error) *trouble {
	field := "sheet"
	for name, cause := range map[string]error{"count": sheet.ErrCount, "stage": sheet.ErrStage, "strand": sheet.ErrStrand, "facts": sheet.ErrFacts, "days": sheet.ErrDays, "kind": sheet.ErrKind, "paper": sheet.ErrPaper, "key": sheet.ErrKey, "tasks": sheet.ErrTask} {
		if errors.Is(err, cause) {
			field = name
		}
	}
	return refuse(fiber.StatusUnprocessableEntity, "This sheet cannot be made", "Change what is named here, then try again.").because(err).of(field)
}

// making is the sheets that were asked for: what each child's is made of.
type making struct {
	ask    wire.AskSheet
	spec   sheet.Spec
	class  store.Class
	today  book.Day
	names  []wire.Learner // of the children, in their order
	stands map[string]sheet.Stand
	had    map[string][]task.Task
	typed  []sheet.Item // of the guide's own, or of a lesson
	all    []string     // the names of the class
}

// makingOf reads what was asked for, and all that is needed to make it.
func (s *Server) makingOf(c *call, ask wire.AskSheet) (m making, err error) {
	m = making{ask: ask, spec: ask.Spec(), class: c.class, stands: map[string]sheet.Stand{}}
	if err := m.spec.Valid(); err != nil {
		return m, wrongSheet(err)
	}
	if m.today, _, err = s.today(c); err != nil {
		return m, err
	}
	now, err := s.children(c, m.today)
	if err != nil {
		return m, err
	}
	for _, child := range now.children {
		m.all = append(m.all, child.Name)
	}
	for _, id := range ask.Children {
		child, here := now.child(id)
		if !here {
			return m, wrongChild()
		}
		at := slices.IndexFunc(now.children, func(other group.Child) bool { return other.ID == id })
		m.names = append(m.names, wire.Learner{ID: id, Name: now.children[at].Name})
		m.stands[id] = m.spec.StandOf(child, m.today)
	}
	if m.typed, err = s.typedTasks(c, ask, m.spec); err != nil {
		return m, err
	}
	return m, s.readHad(c, &m)
}

// typedTasks are the tasks that the guide has typed, or those of a lesson.
func (s *Server) typedTasks(c *call, ask wire.AskSheet, spec sheet.Spec) (items []sheet.Item, err error) {
	if spec.Kind == sheet.Gather && ask.Lesson != "" && ask.Tasks == "" || spec.Kind == sheet.Strip && ask.Lesson != "" && ask.Tasks == "" {
		kept, err := s.store.Lesson(c.Context(), c.class.ID, uuid.MustParse(ask.Lesson))
		if err != nil {
			return nil, missing(err)
		}
		for _, item := range kept.Items {
			items = append(items, sheet.Item{Task: item.Task, Stage: item.Stage})
		}
		if spec.Kind == sheet.Strip {
			items = items[kept.Nth : kept.Nth+1]
		}
		return items, nil
	}
	if !spec.Kind.TakesTyped() {
		return nil, nil
	}
	for _, part := range strings.FieldsFunc(ask.Tasks, func(r rune) bool { return r == ';' || r == ',' || r == '\n' }) {
		if part = strings.TrimSpace(part); part == "" {
			continue
		}
		t, err := task.Parse(part)
		if err == nil {
			err = t.Valid()
		}
		if err == nil && spec.Kind != sheet.Gather {
			err = spec.Kind.Takes(t)
		}
		if err != nil {
			return nil, refuse(fiber.StatusUnprocessableEntity, "“"+part+"” does not go onto this sheet", "Write numbers like 47+25; 503-128.").because(err).of("tasks")
		}
		items = append(items, sheet.ItemOf(t))
	}
	return items, nil
}

// readHad reads what the children had lately, in lessons and on sheets.
func (s *Server) readHad(c *call, m *making) error {
	m.had = map[string][]task.Task{}
	if m.spec.Days == 0 || len(m.names) == 0 {
		return nil
	}
	ids := make([]uuid.UUID, len(m.names))
	for i, l := range m.names {
		ids[i] = uuid.MustParse(l.ID)
	}
	since := m.today - book.Day(m.spec.Days) + 1
	worked, err := s.store.WorkedBy(c.Context(), c.class.ID, ids, since)
	if err != nil {
		return err
	}
	printed, err := s.store.OnSheets(c.Context(), c.class.ID, ids, since)
	for id, list := range worked {
		m.had[id] = append(m.had[id], list...)
	}
	for id, list := range printed {
		m.had[id] = append(m.had[id], list...)
	}
	return err
}

// alike tells whether all children have the same tasks.
func (m making) alike() bool {
	return m.ask.Alike || !m.spec.Kind.Each() || len(m.typed) > 0 || len(m.names) == 0
}

// tasks draws the tasks of a child; of nobody, or where all have the same, those of all.
func (m making) tasks(id string) ([]sheet.Item, error) {
	kind := m.spec.Kind
	switch {
	case kind == sheet.Cards || kind == sheet.Record:
		return nil, nil
	case kind == sheet.Strip:
		return m.strip()
	case len(m.typed) > 0:
		return m.typed, nil
	}
	from := sheet.From{Range: m.class.Settings.Range, Had: m.had[id]}
	parts, seed := m.stands[id].Parts, m.seed(id)
	if m.alike() {
		from.Had = nil
		for _, l := range m.names {
			from.Had = append(from.Had, m.had[l.ID]...)
		}
		parts, seed = m.shared(), m.seed("")
	} else {
		from.Slips = m.stands[id].Slips
	}
	return m.spec.Draw(parts, from, seed)
}

// shared is the stage of a sheet that all have: the one that is asked for, or that most of
// them stand at; else the usual one of its kind.
func (m making) shared() []sheet.Part {
	stage, most := m.spec.Stage, 0
	counts := map[choose.StageID]int{}
	for _, l := range m.names {
		id := m.stands[l.ID].Stage
		if counts[id]++; m.spec.Stage == "" && id != "" && counts[id] > most {
			stage, most = id, counts[id]
		}
	}
	if stage == "" {
		of := m.spec.StandOf(ladder.Child{Class: m.class.Judged()}, m.today)
		stage = of.Stage
		if stages := m.spec.Stages(m.class.Judged()); slices.Contains(stages, m.spec.Kind.Typical()) {
			stage = m.spec.Kind.Typical()
		}
	}
	return []sheet.Part{{Stage: stage, Count: max(1, m.spec.Count)}}
}

// strip is the task that is worked and one to try.
func (m making) strip() ([]sheet.Item, error) {
	if len(m.typed) >= 2 {
		return m.typed[:2], nil
	}
	if len(m.typed) == 1 {
		try, err := m.spec.TryOut(m.typed[0], m.class.Settings.Range)
		return []sheet.Item{m.typed[0], try}, err
	}
	parts := m.shared()
	parts[0].Count = 2
	return m.spec.Draw(parts, sheet.From{Range: m.class.Settings.Range}, m.seed(""))
}

// seed is that of a child's sheet, another one each time that other numbers are asked for.
func (m making) seed(id string) uint64 {
	sum := fnv.New64a()
	fmt.Fprint(sum, m.spec.Seed, " ", m.spec.Kind, " ", id, " ", m.ask.Again[cmp.Or(id, "all")])
	return sum.Sum64() % 1_000_000_007
}

// print is what a child's sheet is laid out with.
func (m making) print(code string) sheet.Print {
	return sheet.Print{Spec: m.spec, Class: m.class.Settings, Of: m.class.Name, Code: code, Names: m.all}
}

// name is that which a child's sheet is headed with. A strip, cards and lists have none.
func (m making) name(l wire.Learner) string {
	if !m.spec.Kind.Each() && m.spec.Kind != sheet.Minute {
		return ""
	}
	return l.Name
}

// lookAtSheet answers a sheet as it will be printed, and for whom.
func (s *Server) lookAtSheet(c *call) error {
	var ask wire.AskSheet
	if err := read(c, &ask); err != nil {
		return err
	}
	m, err := s.makingOf(c, ask)
	if err != nil {
		return err
	}
	l := wire.Learner{}
	if i := slices.IndexFunc(m.names, func(l wire.Learner) bool { return l.ID == ask.Child }); i >= 0 {
		l = m.names[i]
	} else if len(m.names) > 0 {
		l = m.names[0]
	}
	items, err := m.tasks(l.ID)
	if err != nil {
		return wrongSheet(err)
	}
	pages, err := m.print("…").Pages(sheet.Own{Name: m.name(l), Items: items})
	if err != nil {
		return wrongSheet(err)
	}
	w := c.class.Settings.Words()
	out := wire.SheetLook{Pages: []string{}, Title: m.name(l), Groups: []wire.SheetGroup{}, Sheets: m.sheets(), Unprinted: []string{}}
	for _, page := range pages {
		out.Pages = append(out.Pages, printing.SVG(page))
	}
	st := m.stands[l.ID]
	if m.alike() {
		st = sheet.Stand{Parts: m.shared()}
	} else {
		out.Stands = wire.StandSays(w, st, m.spec, items)
	}
	if len(items) > 0 && m.spec.Kind.Each() {
		out.Says = wire.OnItSays(w, items, st, out.Title, m.spec.Days)
	}
	if m.spec.Kind.Each() {
		out.Groups = wire.GroupsOf(w, m.names, m.stands, m.spec.Kind)
	}
	for _, l := range m.names {
		if _, all := printing.Printable(l.Name); !all {
			out.Unprinted = append(out.Unprinted, l.Name)
		}
	}
	return c.JSON(out)
}

// sheets is how many sheets are printed.
func (m making) sheets() int {
	if !m.spec.Kind.Each() && m.spec.Kind != sheet.Minute {
		return 1
	}
	return max(1, len(m.names))
}

// printSheets draws, keeps and prints sheets, and tells on the way how far it is. Whoever goes
// before the end has printed nothing, and nothing is kept.
func (s *Server) printSheets(c *call) error {
	var ask wire.AskSheet
	if err := read(c, &ask); err != nil {
		return err
	}
	m, err := s.makingOf(c, ask)
	if err != nil {
		return err
	}
	made := store.Sheet{ClassID: c.class.ID, Spec: m.spec, Settings: c.class.Settings, Day: m.today, MadeBy: c.account.ID}
	if ask.ID != "" {
		made.ID = uuid.MustParse(ask.ID)
	}
	s.streamed(c, func(ctx context.Context, say func(any) bool) error { return s.printing(ctx, m, made, say) })
	return nil
}

// printing makes the file.
func (s *Server) printing(ctx context.Context, m making, made store.Sheet, say func(any) bool) error {
	of := 2 * m.sheets()
	keeps := made.ID != uuid.Nil && (m.spec.Kind.Each() || m.spec.Kind == sheet.Minute)
	owns, err := m.draw(&made, func(done int) bool { return say(wire.SheetPrinted{Done: done, Of: of}) })
	if err != nil {
		return err
	}
	code := ""
	if keeps {
		if code, err = s.store.AddSheet(ctx, made); err != nil {
			return notKeptSheet(err)
		}
	}
	file, err := printed(m.print(code), owns, func(done int) bool { return say(wire.SheetPrinted{Done: of/2 + done, Of: of}) })
	if err == nil && !say(wire.SheetPrinted{Done: of, Of: of, File: base64.StdEncoding.EncodeToString(file), Name: fileName(m.spec.Kind, code, m.class.Name), Code: code}) {
		err = errGone
	}
	if err != nil && keeps {
		err = errors.Join(err, s.store.DropSheet(context.WithoutCancel(ctx), made.ClassID, made.ID))
	}
	return err
}

func notKeptSheet(err error) error {
	switch {
	case errors.Is(err, store.ErrTaken):
		return refuse(fiber.StatusConflict, "This sheet’s id is already used", "Print it once more.").of("id")
	case errors.Is(err, store.ErrNone):
		return wrongChild()
	case errors.Is(err, store.ErrFull):
		return refuse(fiber.StatusUnprocessableEntity, fmt.Sprintf("A class keeps at most %d sheets", store.MostSheets), "Print without keeping: take the cards or the record sheet.").of("sheet")
	}
	return err
}

// errGone is the error of an answer that nobody waits for any more.
var errGone = errors.New("whoever asked has gone")

// draw draws the tasks of each child, and notes them in what is kept.
func (m making) draw(made *store.Sheet, told func(int) bool) ([]sheet.Own, error) {
	var owns []sheet.Own
	if m.alike() {
		items, err := m.tasks("")
		if err != nil {
			return nil, wrongSheet(err)
		}
		made.Tasks = items
	}
	for i, l := range m.names {
		child := store.SheetChild{LearnerID: uuid.MustParse(l.ID)}
		items := made.Tasks
		if !m.alike() {
			var err error
			if items, err = m.tasks(l.ID); err != nil {
				return nil, wrongSheet(err)
			}
			child.Tasks = items
		}
		made.Children = append(made.Children, child)
		if m.sheets() > 1 || len(owns) == 0 {
			owns = append(owns, sheet.Own{Name: m.name(l), Items: items})
		}
		if !told(i + 1) {
			return nil, errGone
		}
	}
	if len(owns) == 0 {
		owns = append(owns, sheet.Own{Items: made.Tasks})
	}
	return owns, nil
}

// printed makes a PDF of sheets.
func printed(p sheet.Print, owns []sheet.Own, told func(int) bool) ([]byte, error) {
	pdf := printing.NewPDF(p.Of)
	for i, own := range owns {
		pages, err := p.Pages(own)
		if err != nil {
			return nil, wrongSheet(err)
		}
		if pdf.Add(pages...); !told(i + 1) {
			return nil, errGone
		}
	}
	var out bytes.Buffer
	if err := pdf.Write(&out); err != nil {
		return nil, err
	}
	return out.Bytes(), nil
}

// fileName is the name of a printed file.
func fileName(kind sheet.Kind, code, class string) string {
	name := string(kind)
	if code != "" {
		name += " " + code
	}
	return strings.Map(func(r rune) rune {
		if strings.ContainsRune(`/\:*?"<>|`, r) {
			return '-'
		}
		return r
	}, name+", "+class) + ".pdf"
}

// streamFor is how long an answer may take that tells how far it is.
const streamFor = 3 * time.Minute

// streamed answers with a line of JSON after another while the work is done; what goes wrong is
// the last of them. The work hears whether anybody still listens.
func (s *Server) streamed(c *call, work func(ctx context.Context, say func(any) bool) error) {
	conn := c.RequestCtx().Conn()
	c.Set(fiber.HeaderContentType, "application/x-ndjson")
	c.Set(fiber.HeaderCacheControl, "no-store")
	c.Set("X-Accel-Buffering", "no")
	_ = c.SendStreamWriter(func(w *bufio.Writer) {
		ctx, done := context.WithTimeout(context.Background(), streamFor)
		defer done()
		say := func(line any) bool {
			text, err := json.Marshal(line)
			if err != nil {
				return false
			}
			_ = conn.SetWriteDeadline(time.Now().Add(streamWithin))
			_, err = w.Write(append(text, '\n'))
			return err == nil && w.Flush() == nil && ctx.Err() == nil
		}
		if err := work(ctx, say); err != nil && !errors.Is(err, errGone) {
			say(struct {
				Trouble wire.Trouble `json:"trouble"`
			}{told(err)})
		}
	})
}

// told is an error as it is told in the middle of an answer.
func told(err error) wire.Trouble {
	var t *trouble
	switch {
	case errors.As(err, &t):
		return t.Trouble
	case store.Unavailable(err):
		return refuse(fiber.StatusServiceUnavailable, "The database does not answer just now", "Wait a little, then try again.").Trouble
	}
	slog.Error("a streamed answer failed", "error", err)
	return refuse(fiber.StatusInternalServerError, "Something went wrong here", "Try again.").Trouble
}

// printAgain prints a sheet that is kept once more, as it was.
func (s *Server) printAgain(c *call) error {
	kept, err := s.sheetOf(c)
	if err != nil {
		return err
	}
	p := sheet.Print{Spec: kept.Spec, Class: kept.Settings, Of: c.class.Name, Code: kept.Code}
	if paper := sheet.Paper(c.Query("paper")); slices.Contains(sheet.Papers(), paper) {
		p.Paper = paper
	}
	var owns []sheet.Own
	for _, child := range kept.Children {
		items, _ := kept.Of(child.LearnerID)
		owns = append(owns, sheet.Own{Name: child.Name, Items: items})
	}
	if len(owns) == 0 {
		owns = append(owns, sheet.Own{Items: kept.Tasks})
	}
	if len(owns[0].Items) == 0 {
		return refuse(fiber.StatusNotFound, "All children of this sheet were erased", "Print a new one.").of("sheet")
	}
	file, err := printed(p, owns, func(int) bool { return c.Context().Err() == nil })
	if err != nil {
		return err
	}
	c.Set(fiber.HeaderContentType, "application/pdf")
	c.Set(fiber.HeaderContentDisposition, mime.FormatMediaType("attachment", map[string]string{"filename": fileName(kept.Spec.Kind, kept.Code, c.class.Name)}))
	return c.Send(file)
}

// sheetOf reads the sheet of a request, by its id or its code.
func (s *Server) sheetOf(c *call) (store.Sheet, error) {
	word := strings.ToUpper(strings.TrimSpace(c.Params("sheet")))
	var kept store.Sheet
	id, err := uuid.Parse(word)
	if err == nil {
		kept, err = s.store.Sheet(c.Context(), c.class.ID, id)
	} else {
		kept, err = s.store.SheetByCode(c.Context(), c.class.ID, strings.Clone(word))
	}
	if errors.Is(err, store.ErrNone) {
		return kept, refuse(fiber.StatusNotFound, "No sheet of this class has that code", "It stands at the foot of the sheet: a letter and a digit, like K7.").of("code")
	}
	return kept, err
}
