package store

import (
	"context"
	"crypto/rand"
	"encoding/json"
	"errors"
	"fmt"
	"time"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"vineswap/core/book"
	"vineswap/core/setting"
	"vineswap/core/sheet"
	"vineswap/core/task"
)

// Sheet is a sheet that was printed.
type Sheet struct {
	ID       uuid.UUID
	ClassID  uuid.UUID
	Code     string
	Spec     sheet.Spec
	Settings setting.Class // of the day on which it was printed
	Tasks    []sheet.Item  // that all children have; none where each has its own
	Children []SheetChild  // in the order in which they were printed
	Day      book.Day
	MadeBy   uuid.UUID
}

// SheetChild is a child that a sheet was printed for.
type SheetChild struct {
	LearnerID uuid.UUID
	Name      string // when read
	Here      bool   // it is in the class, when read
	Tasks     []sheet.Item
	Missing   bool // the sheet was not handed in
}

// Of are the tasks of a child, its own or those of all; false for a child that the sheet was
// not printed for.
func (s Sheet) Of(learner uuid.UUID) (items []sheet.Item, has bool) {
	for _, c := range s.Children {
		switch {
		case c.LearnerID != learner:
		case c.Tasks != nil:
			return c.Tasks, true
		default:
			return s.Tasks, true
		}
	}
	return nil, false
}

// codeLetters and codeDigits are what codes are made of: none is taken for another.
const (
	codeLetters = "ABCDEFGHJKLMNPQRSTUVWXYZ"
	codeDigits  = "23456789"
)

// newCode is a letter and a digit, or more digits where many are used already.
func newCode(digits int) string {
	drawn := make([]byte, digits+1)
	_, _ = rand.Read(drawn) // never fails
	code := []byte{codeLetters[int(drawn[0])%len(codeLetters)]}
	for _, b := range drawn[1:] {
		code = append(code, codeDigits[int(b)%len(codeDigits)])
	}
	return string(code)
}

// MostSheets is how many sheets of a class are kept.
const MostSheets = 5_000

// AddSheet keeps a sheet under a new code, which it returns. The same id again changes nothing
// and returns the code that it has; an id of another class gives ErrTaken, a child who is not
// in the class ErrNone, one sheet too many ErrFull.
func (s *Store) AddSheet(ctx context.Context, made Sheet) (code string, err error) {
	spec, errSpec := json.Marshal(made.Spec)
	settings, errSettings := json.Marshal(made.Settings)
	tasks, errTasks := json.Marshal(made.Tasks)
	if err := errors.Join(errSpec, errSettings, errTasks); err != nil {
		return "", err
	}
	if made.Tasks == nil {
		tasks = []byte("[]")
	}
	err = s.inTx(ctx, func(tx *sqlx.Tx) error {
		var kept struct {
			ClassID uuid.UUID `db:"class_id"`
			Code    string    `db:"code"`
		}
		switch err := none(tx.GetContext(ctx, &kept, `select class_id, code from sheet where id = $1`, made.ID)); {
		case err == nil && kept.ClassID == made.ClassID:
			code = kept.Code
			return nil
		case err == nil:
			return fmt.Errorf("%w: a sheet with this id", ErrTaken)
		case !errors.Is(err, ErrNone):
			return err
		}
		if code, err = freeCode(ctx, tx, made.ClassID, made.Code); err != nil {
			return err
		}
		if _, err := tx.ExecContext(ctx, `insert into sheet (id, class_id, code, spec, settings, tasks, day, made_by) values ($1, $2, $3, $4, $5, $6, $7, $8)`, made.ID, made.ClassID, code, spec, settings, tasks, made.Day.Time(), made.MadeBy); err != nil {
			return taken(err, "a sheet with this id")
		}
		return addSheetChildren(ctx, tx, made)
	})
	return code, err
}

// freeCode is a code that the class does not use yet: the one that is wished for, if it is free.
func freeCode(ctx context.Context, tx *sqlx.Tx, class uuid.UUID, wish string) (string, error) {
	var used []string
	if err := tx.SelectContext(ctx, &used, `select code from sheet where class_id = (select id from class where id = $1 for no key update)`, class); err != nil {
		return "", err
	}
	if len(used) >= MostSheets {
		return "", ErrFull
	}
	known := map[string]bool{}
	for _, code := range used {
		known[code] = true
	}
	if wish != "" && !known[wish] {
		return wish, nil
	}
	for tries := 0; ; tries++ {
		if code := newCode(1 + tries/40); !known[code] {
			return code, nil
		}
	}
}

func addSheetChildren(ctx context.Context, tx *sqlx.Tx, made Sheet) error {
	ids, nths, tasks := make([]uuid.UUID, len(made.Children)), make([]int, len(made.Children)), make([]*string, len(made.Children))
	for i, c := range made.Children {
		ids[i], nths[i] = c.LearnerID, i
		if c.Tasks != nil {
			text, err := json.Marshal(c.Tasks)
			if err != nil {
				return err
			}
			own := string(text)
			tasks[i] = &own
		}
	}
	res, err := tx.ExecContext(ctx, `insert into sheet_child (sheet_id, learner_id, nth, tasks) select $1, l.id, l.nth, l.tasks::jsonb from unnest($2::uuid[], $3::int[], $4::text[]) as l (id, nth, tasks)
		join enrolment on enrolment.learner_id = l.id and class_id = $5 and until is null`, made.ID, ids, nths, tasks, made.ClassID)
	if err != nil {
		return err
	}
	if n, err := res.RowsAffected(); err != nil || int(n) != len(ids) {
		return errors.Join(ErrNone, err)
	}
	return nil
}

// DropSheet takes a sheet back that was never printed. One of which something is typed stays.
func (s *Store) DropSheet(ctx context.Context, class, id uuid.UUID) error {
	_, err := s.db.ExecContext(ctx, `delete from sheet where class_id = $1 and id = $2 and not exists (select 1 from observation where sheet_id = $2) and not exists (select 1 from minute where sheet_id = $2)`, class, id)
	return err
}

// Sheet reads a sheet of a class by its id; ErrNone where there is none.
func (s *Store) Sheet(ctx context.Context, class, id uuid.UUID) (Sheet, error) {
	return s.sheetWhere(ctx, `class_id = $1 and id = $2`, class, id)
}

// SheetByCode reads a sheet of a class by its code; ErrNone where there is none.
func (s *Store) SheetByCode(ctx context.Context, class uuid.UUID, code string) (Sheet, error) {
	return s.sheetWhere(ctx, `class_id = $1 and code = $2`, class, code)
}

func (s *Store) sheetWhere(ctx context.Context, where string, args ...any) (Sheet, error) {
	var row struct {
		ID       uuid.UUID `db:"id"`
		ClassID  uuid.UUID `db:"class_id"`
		Code     string    `db:"code"`
		Spec     []byte    `db:"spec"`
		Settings []byte    `db:"settings"`
		Tasks    []byte    `db:"tasks"`
		Day      time.Time `db:"day"`
		MadeBy   uuid.UUID `db:"made_by"`
	}
	if err := s.db.GetContext(ctx, &row, `select id, class_id, code, spec, settings, tasks, day, made_by from sheet where `+where, args...); err != nil {
		return Sheet{}, none(err)
	}
	out := Sheet{ID: row.ID, ClassID: row.ClassID, Code: row.Code, Day: book.DayOf(row.Day.UTC()), MadeBy: row.MadeBy}
	settings, err := setting.Read(row.Settings)
	out.Settings = settings
	if err := errors.Join(err, json.Unmarshal(row.Spec, &out.Spec), json.Unmarshal(row.Tasks, &out.Tasks)); err != nil {
		return out, fmt.Errorf("sheet %v: %w", row.ID, err)
	}
	return out, s.sheetChildren(ctx, &out)
}

// sheetChildren reads for whom a sheet was printed. One who left the class is still there,
// under the name that it had.
func (s *Store) sheetChildren(ctx context.Context, made *Sheet) error {
	var rows []struct {
		LearnerID uuid.UUID `db:"learner_id"`
		Name      string    `db:"name"`
		Here      bool      `db:"here"`
		Tasks     []byte    `db:"tasks"`
		Missing   bool      `db:"missing"`
	}
	err := s.db.SelectContext(ctx, &rows, `select sheet_child.learner_id, latest.name, latest.here, tasks, missing from sheet_child
		join lateral (select name, until is null as here from enrolment where learner_id = sheet_child.learner_id and class_id = $2 order by until is null desc, since desc, until desc limit 1) latest on true
		where sheet_id = $1 order by nth`, made.ID, made.ClassID)
	for _, r := range rows {
		c := SheetChild{LearnerID: r.LearnerID, Name: r.Name, Here: r.Here, Missing: r.Missing}
		if r.Tasks != nil {
			if err := json.Unmarshal(r.Tasks, &c.Tasks); err != nil {
				return fmt.Errorf("sheet %v of %v: %w", made.ID, r.LearnerID, err)
			}
		}
		made.Children = append(made.Children, c)
	}
	return err
}

// SheetOut is a sheet as it stands among those that are out.
type SheetOut struct {
	ID       uuid.UUID  `db:"id"`
	Code     string     `db:"code"`
	Kind     sheet.Kind `db:"kind"`
	Day      time.Time  `db:"day"`
	Children int        `db:"children"` // that it was printed for
	Typed    int        `db:"typed"`    // of whom an answer is kept, or that handed nothing in
}

// SheetsOut lists the sheets of a class whose answers can be typed, the last printed first, at
// most so many.
func (s *Store) SheetsOut(ctx context.Context, class uuid.UUID, most int) ([]SheetOut, error) {
	list := []SheetOut{}
	err := s.db.SelectContext(ctx, &list, `select sheet.id, code, spec->>'kind' as kind, day, count(c.learner_id) as children,
			count(c.learner_id) filter (where missing or exists (select 1 from observation o where o.sheet_id = sheet.id and o.learner_id = c.learner_id)
				or exists (select 1 from minute m where m.sheet_id = sheet.id and m.learner_id = c.learner_id)) as typed
		from sheet left join sheet_child c on c.sheet_id = sheet.id where class_id = $1 group by sheet.id order by made_at desc limit $2`, class, most)
	return list, err
}

// SheetAnswers lists the records of a sheet's answers that stand, in the order in which they
// were kept.
func (s *Store) SheetAnswers(ctx context.Context, id uuid.UUID) ([]Observation, error) {
	all, err := observations(ctx, s.db, `where o.sheet_id = $1 order by o.seq`, id)
	var list []Observation
	for _, o := range all {
		if o.Current && !o.Withdrawn {
			list = append(list, o)
		}
	}
	return list, err
}

// SetMissing keeps that a child handed a sheet in or did not; ErrNone where the sheet was not
// printed for it.
func (s *Store) SetMissing(ctx context.Context, class, id, learner uuid.UUID, missing bool) error {
	res, err := s.db.ExecContext(ctx, `update sheet_child set missing = $4 from sheet where sheet.id = sheet_id and class_id = $1 and sheet_id = $2 and learner_id = $3`, class, id, learner, missing)
	if err != nil {
		return err
	}
	return oneRow(res)
}

// OnSheets lists the tasks that learners of a class have had on sheets since a day, each its
// own.
func (s *Store) OnSheets(ctx context.Context, class uuid.UUID, learners []uuid.UUID, since book.Day) (map[string][]task.Task, error) {
	var rows []struct {
		LearnerID uuid.UUID `db:"learner_id"`
		Tasks     []byte    `db:"tasks"`
	}
	err := s.db.SelectContext(ctx, &rows, `select learner_id, coalesce(sheet_child.tasks, sheet.tasks) as tasks from sheet join sheet_child on sheet_id = sheet.id where class_id = $1 and learner_id = any($2) and day >= $3 order by made_at`, class, learners, since.Time())
	all := map[string][]task.Task{}
	for _, r := range rows {
		var items []sheet.Item
		if err := json.Unmarshal(r.Tasks, &items); err != nil {
			return nil, fmt.Errorf("a sheet of %v: %w", r.LearnerID, err)
		}
		for _, item := range items {
			all[r.LearnerID.String()] = append(all[r.LearnerID.String()], item.Task)
		}
	}
	return all, err
}
