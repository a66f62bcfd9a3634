package store

import (
	"context"
	"database/sql"
	"encoding/json"
	"errors"
	"fmt"
	"slices"
	"time"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/lesson"
	"vineswap/core/material"
	"vineswap/core/opener"
	"vineswap/core/place"
	"vineswap/core/task"
	"vineswap/core/trace"
)

// Lesson is a kept lesson. Every write raises its revision by one.
type Lesson struct {
	lesson.Lesson
	ID        uuid.UUID
	ClassID   uuid.UUID
	OpenedBy  uuid.UUID
	Revision  int
	ChangedAt time.Time // when it was opened, or changed last
	Seated    []Seat    // who sits at the mat, by the name last used in the class
}

// Seat is a child at the mat.
type Seat struct {
	Learner
	Here bool // the child is in the class now
	At   int  // the seat as it is kept: one may be empty, of a child who was erased
}

// lessonRow is a lesson as the table has it.
type lessonRow struct {
	ID        uuid.UUID     `db:"id"`
	ClassID   uuid.UUID     `db:"class_id"`
	OpenedBy  uuid.UUID     `db:"opened_by"`
	Tasks     []byte        `db:"tasks"`
	Nth       int           `db:"nth"`
	Material  material.Kind `db:"material"`
	Stand     lesson.Stand  `db:"stand"`
	Position  string        `db:"position"`
	Revision  int           `db:"revision"`
	ChangedAt time.Time     `db:"changed_at"`
	Whole     bool          `db:"whole"`
	Round     []byte        `db:"round"`
}

const lessonColumns = `lesson.id, lesson.class_id, opened_by, tasks, nth, material, stand, position, revision, changed_at, whole, round`

// itemRow is a task of a lesson as the column has it.
type itemRow struct {
	Task   task.Task                    `json:"task"`
	Stage  choose.StageID               `json:"stage"`
	Manner book.Manner                  `json:"manner,omitempty"`
	Turns  []int                        `json:"turns,omitempty"`
	Saw    map[place.Place]lesson.Sight `json:"saw,omitempty"`
	Flash  *opener.Flash                `json:"flash,omitempty"`
}

func rowOf(l Lesson) (lessonRow, error) {
	items := make([]itemRow, len(l.Items))
	for i, item := range l.Items {
		items[i] = itemRow(item)
	}
	tasks, err := json.Marshal(items)
	round, wrong := json.Marshal(l.Round)
	return lessonRow{l.ID, l.ClassID, l.OpenedBy, tasks, l.Nth, l.Material, l.Stand, l.At.String(), l.Revision, l.ChangedAt, l.Whole, round}, errors.Join(err, wrong)
}

func (r lessonRow) lesson() (Lesson, error) {
	l := Lesson{ID: r.ID, ClassID: r.ClassID, OpenedBy: r.OpenedBy, Revision: r.Revision, ChangedAt: r.ChangedAt}
	l.Nth, l.Material, l.Stand, l.Whole = r.Nth, r.Material, r.Stand, r.Whole
	var err error
	if l.At, err = trace.ParsePosition(r.Position); err != nil {
		return l, fmt.Errorf("lesson %v: %w", r.ID, err)
	}
	if err := json.Unmarshal(r.Round, &l.Round); err != nil {
		return l, fmt.Errorf("lesson %v: round: %w", r.ID, err)
	}
	var items []itemRow
	if err := json.Unmarshal(r.Tasks, &items); err != nil {
		return l, fmt.Errorf("lesson %v: tasks: %w", r.ID, err)
	}
	for _, item := range items {
		l.Items = append(l.Items, lesson.Item(item))
	}
	return l, nil
}

// AddLesson keeps a new lesson and puts it in its opener's hand. Keeping the
// same id again changes nothing and is no error, so a repeated request is
// harmless; an id that another class uses gives ErrTaken. Children who are not
// in the class give ErrNone.
func (s *Store) AddLesson(ctx context.Context, l Lesson) error {
	return s.inTx(ctx, func(tx *sqlx.Tx) error {
		row, err := rowOf(l)
		if err != nil {
			return err
		}
		ids, err := holdSeats(ctx, tx, l.Children)
		if err != nil {
			return err
		}
		res, err := tx.NamedExecContext(ctx, `insert into lesson (id, class_id, opened_by, tasks, nth, material, stand, position, opened_at, changed_at, whole, round)
			values (:id, :class_id, :opened_by, :tasks, :nth, :material, :stand, :position, :changed_at, :changed_at, :whole, :round) on conflict (id) do nothing`, row)
		if err != nil {
			return err
		}
		if n, err := res.RowsAffected(); err != nil {
			return err
		} else if n == 0 {
			return sameLesson(ctx, tx, l)
		}
		if err := seat(ctx, tx, l, ids); err != nil {
			return err
		}
		if err := workSpots(ctx, tx, l); err != nil {
			return err
		}
		if err := takeUp(ctx, tx, l, ids); err != nil {
			return err
		}
		return takeInHand(ctx, tx, l.OpenedBy, l.ClassID, l.ID)
	})
}

// sameLesson tells whether the id that is kept is this class's.
func sameLesson(ctx context.Context, tx *sqlx.Tx, l Lesson) error {
	var class uuid.UUID
	if err := tx.GetContext(ctx, &class, `select class_id from lesson where id = $1`, l.ID); err != nil {
		return err
	}
	if class != l.ClassID {
		return fmt.Errorf("%w: a lesson with this id", ErrTaken)
	}
	return nil
}

// seat writes who sits at the mat of a lesson, in order. Whoever sat there
// already may stay, also after leaving the class.
func seat(ctx context.Context, tx *sqlx.Tx, l Lesson, ids []uuid.UUID) error {
	var rows []struct {
		ID   uuid.UUID `db:"learner_id"`
		Seat int       `db:"seat"`
	}
	if err := tx.SelectContext(ctx, &rows, `select learner_id, seat from lesson_child where lesson_id = $1 order by seat`, l.ID); err != nil {
		return err
	}
	sat := make([]uuid.UUID, len(rows))
	for i, r := range rows {
		sat[i] = r.ID
	}
	if gap := len(rows) > 0 && rows[len(rows)-1].Seat >= len(rows); !gap && slices.Equal(sat, ids) {
		return nil
	}
	if _, err := tx.ExecContext(ctx, `delete from lesson_child where lesson_id = $1`, l.ID); err != nil {
		return err
	}
	res, err := tx.ExecContext(ctx, `insert into lesson_child (lesson_id, seat, learner_id) select $1, n - 1, id from unnest($3::uuid[]) with ordinality as s (id, n)
		where id = any($4::uuid[]) or exists (select 1 from enrolment where class_id = $2 and learner_id = id and until is null)`, l.ID, l.ClassID, ids, sat)
	if err != nil {
		return err
	}
	if n, err := res.RowsAffected(); err != nil || n != int64(len(ids)) {
		return errors.Join(ErrNone, err)
	}
	return nil
}

// holdSeats keeps the children of a lesson from being erased until the transaction
// ends, and returns their ids. They are held before the lesson is, and always in the
// same order: whoever erases a child holds it before what belongs to it.
func holdSeats(ctx context.Context, tx *sqlx.Tx, children []string) ([]uuid.UUID, error) {
	ids := make([]uuid.UUID, len(children))
	for i, child := range children {
		id, err := uuid.Parse(child)
		if err != nil {
			return nil, ErrNone
		}
		ids[i] = id
	}
	if len(ids) == 0 {
		return ids, nil
	}
	_, err := tx.ExecContext(ctx, `select 1 from (select id from learner where id = any($1) order by id for key share) as held`, ids)
	return ids, err
}

// takeInHand puts a lesson in an account's hand, and tells all servers that it has changed.
func takeInHand(ctx context.Context, db sqlx.ExecerContext, account, class, id uuid.UUID) error {
	_, err := db.ExecContext(ctx, `with at as (insert into in_hand (account_id, class_id, lesson_id) values ($1, $2, $3)
			on conflict (account_id, class_id) do update set lesson_id = excluded.lesson_id)
		select pg_notify($4, $5)`, account, class, id, channel, class.String()+" "+id.String())
	return err
}

// Lesson reads a lesson of a class with its children; ErrNone where the
// class has none with this id.
func (s *Store) Lesson(ctx context.Context, class, id uuid.UUID) (Lesson, error) {
	list, err := s.Lessons(ctx, class, []uuid.UUID{id})
	if err == nil && len(list) == 0 {
		err = ErrNone
	}
	if err != nil {
		return Lesson{}, err
	}
	return list[0], nil
}

// Lessons reads lessons of a class with their children, in the order of their ids;
// those that the class does not have are left out.
func (s *Store) Lessons(ctx context.Context, class uuid.UUID, ids []uuid.UUID) ([]Lesson, error) {
	if len(ids) == 0 {
		return nil, nil
	}
	var rows []struct {
		lessonRow
		Seated []byte `db:"seated"`
	}
	err := s.db.SelectContext(ctx, &rows, `select `+lessonColumns+`, (select json_agg(json_build_object('ID', learner_id, 'Name', coalesce((select name from enrolment
			where class_id = $1 and enrolment.learner_id = lesson_child.learner_id order by since desc limit 1), ''),
			'Here', exists (select 1 from enrolment where class_id = $1 and enrolment.learner_id = lesson_child.learner_id and until is null), 'At', seat) order by seat) from lesson_child where lesson_id = lesson.id) as seated
		from lesson join unnest($2::uuid[]) with ordinality as asked (id, n) on asked.id = lesson.id where class_id = $1 order by asked.n`, class, ids)
	if err != nil {
		return nil, err
	}
	list := make([]Lesson, len(rows))
	for i, row := range rows {
		if list[i], err = row.lesson(); err != nil {
			return nil, err
		}
		if row.Seated != nil {
			if err := json.Unmarshal(row.Seated, &list[i].Seated); err != nil {
				return nil, fmt.Errorf("lesson %v: children: %w", row.ID, err)
			}
		}
		list[i].closeUp()
		list[i].Children = make([]string, len(list[i].Seated))
		for k, learner := range list[i].Seated {
			list[i].Children[k] = learner.ID.String()
		}
	}
	return list, nil
}

// closeUp counts whose turn is whose by the seats that are taken. A place of a child who was
// erased is nobody's.
func (l *Lesson) closeUp() {
	for i, item := range l.Items {
		turns := make([]int, len(item.Turns))
		for at, seat := range item.Turns {
			turns[at] = slices.IndexFunc(l.Seated, func(s Seat) bool { return s.At == seat })
		}
		if len(turns) > 0 {
			l.Items[i].Turns = turns
		}
	}
}

// LessonInHand returns the id of the lesson that an account has in hand in a
// class; ErrNone for none, and for one that has ended.
func (s *Store) LessonInHand(ctx context.Context, account, class uuid.UUID) (uuid.UUID, error) {
	var id uuid.UUID
	err := s.db.GetContext(ctx, &id, `select lesson_id from in_hand join lesson on lesson.id = lesson_id
		where account_id = $1 and in_hand.class_id = $2 and stand in ('gathering', 'mat')`, account, class)
	return id, none(err)
}

// OpenLessons lists the ids of the lessons of a class that have not ended, the
// one changed last first.
func (s *Store) OpenLessons(ctx context.Context, class uuid.UUID) ([]uuid.UUID, error) {
	ids := []uuid.UUID{}
	err := s.db.SelectContext(ctx, &ids, `select id from lesson where class_id = $1 and stand in ('gathering', 'mat') order by changed_at desc, id limit 12`, class)
	return ids, err
}

// EndedBetween lists the lessons of a class that have ended within a time, the newest
// first; the days of a class are its own zone's affair.
func (s *Store) EndedBetween(ctx context.Context, class uuid.UUID, from, to time.Time) ([]uuid.UUID, error) {
	ids := []uuid.UUID{}
	err := s.db.SelectContext(ctx, &ids, `select id from lesson where class_id = $1 and changed_at >= $2 and changed_at < $3 and stand = 'ended' order by changed_at desc, id`, class, from, to)
	return ids, err
}

// LessonDays returns the last day before a day, and the first one after it, on which
// lessons of a class were changed last, in a zone; zero times where there is none.
func (s *Store) LessonDays(ctx context.Context, class uuid.UUID, from, to time.Time) (before, after sql.NullTime, err error) {
	row := s.db.QueryRowxContext(ctx, `select (select max(changed_at) from lesson where class_id = $1 and changed_at < $2),
		(select min(changed_at) from lesson where class_id = $1 and changed_at >= $3)`, class, from, to)
	return before, after, row.Scan(&before, &after)
}

// SaveLesson keeps a changed lesson if it is still at the revision that it was
// read at, raises the revision, and puts the lesson in the account's hand. A
// stale write changes nothing and gives ErrStale.
func (s *Store) SaveLesson(ctx context.Context, account uuid.UUID, l Lesson) error {
	return s.inTx(ctx, func(tx *sqlx.Tx) error {
		row, err := rowOf(l)
		if err != nil {
			return err
		}
		ids, err := holdSeats(ctx, tx, l.Children)
		if err != nil {
			return err
		}
		res, err := tx.NamedExecContext(ctx, `update lesson set tasks = :tasks, nth = :nth, material = :material, stand = :stand, position = :position, whole = :whole, round = :round,
			revision = revision + 1, changed_at = :changed_at where id = :id and class_id = :class_id and revision = :revision`, row)
		if err != nil {
			return err
		}
		if n, err := res.RowsAffected(); err != nil || n == 0 {
			return errors.Join(ErrStale, err)
		}
		if err := seat(ctx, tx, l, ids); err != nil {
			return err
		}
		if err := workSpots(ctx, tx, l); err != nil {
			return err
		}
		return takeInHand(ctx, tx, account, l.ClassID, l.ID)
	})
}
