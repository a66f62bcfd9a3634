package store

import (
	"bytes"
	"context"
	"errors"
	"fmt"
	"slices"
	"time"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"vineswap/core/book"
	"vineswap/core/lesson"
	"vineswap/core/turns"
)

// Round is a round of slates as it is kept: how each slate was, and who was proposed to
// explain, in their order.
type Round struct {
	ID       uuid.UUID
	ClassID  uuid.UUID
	LessonID uuid.UUID
	Nth      int
	Day      book.Day
	KeptBy   uuid.UUID
	By       string // who kept it, when read
	Slates   []lesson.Slate
	Turns    []RoundTurn
}

// RoundTurn is a child who was proposed to explain.
type RoundTurn struct {
	LearnerID uuid.UUID `db:"learner_id"`
	Took      bool      `db:"took"`
	Way       book.Way  `db:"way"`
}

// KeepRound keeps a round with what its slates show of the children, all or nothing. The same
// id again changes nothing and is no error; a round of this task that another screen has kept
// gives ErrTwice, an id that another round uses ErrTaken. Of a child who was erased meanwhile
// nothing is kept, and of one of whom something is written at this task already no second
// record.
func (s *Store) KeepRound(ctx context.Context, r Round, seen []Observation) error {
	var made map[uuid.UUID]writtenFold
	err := s.inTx(ctx, func(tx *sqlx.Tx) error {
		made = map[uuid.UUID]writtenFold{}
		held, err := holdMany(ctx, tx, r.learners())
		if err != nil {
			return err
		}
		if err := addRound(ctx, tx, r, held); err != nil {
			return err
		}
		if made, err = s.recordMany(ctx, tx, seen, held); err != nil {
			return err
		}
		return notify(ctx, tx, Heard{Class: r.ClassID, Lesson: r.LessonID})
	})
	if errors.Is(err, errKept) {
		return nil
	}
	if err == nil {
		for id, fold := range made {
			s.folds.Add(id, fold)
		}
	}
	return err
}

// learners are all children of a round.
func (r Round) learners() []uuid.UUID {
	var ids []uuid.UUID
	for _, s := range r.Slates {
		if id, err := uuid.Parse(s.Child); err == nil {
			ids = append(ids, id)
		}
	}
	for _, t := range r.Turns {
		ids = append(ids, t.LearnerID)
	}
	slices.SortFunc(ids, func(a, b uuid.UUID) int { return bytes.Compare(a[:], b[:]) })
	return slices.Compact(ids)
}

// holdMany holds learners, always in the same order, and returns the revision of each that
// there is.
func holdMany(ctx context.Context, tx *sqlx.Tx, ids []uuid.UUID) (map[uuid.UUID]int, error) {
	var rows []struct {
		ID       uuid.UUID `db:"id"`
		Revision int       `db:"revision"`
	}
	err := tx.SelectContext(ctx, &rows, `select id, revision from learner where id = any($1) order by id for no key update`, ids)
	held := map[uuid.UUID]int{}
	for _, row := range rows {
		held[row.ID] = row.Revision
	}
	return held, err
}

// addRound keeps the round itself.
func addRound(ctx context.Context, tx *sqlx.Tx, r Round, held map[uuid.UUID]int) error {
	res, err := tx.ExecContext(ctx, `insert into round (id, class_id, lesson_id, nth, day, kept_by) values ($1, $2, $3, $4, $5, $6) on conflict do nothing`, r.ID, r.ClassID, r.LessonID, r.Nth, r.Day.Time(), r.KeptBy)
	if err != nil {
		return err
	}
	if n, err := res.RowsAffected(); err != nil || n == 0 {
		return errors.Join(err, sameRound(ctx, tx, r))
	}
	var ids []uuid.UUID
	var marks, answers []string
	for _, s := range r.Slates {
		id, err := uuid.Parse(s.Child)
		if _, here := held[id]; err == nil && here {
			ids, marks, answers = append(ids, id), append(marks, string(s.Mark)), append(answers, s.Answer)
		}
	}
	if _, err := tx.ExecContext(ctx, `insert into slate (round_id, learner_id, mark, answer) select $1, * from unnest($2::uuid[], $3::text[], $4::text[])`, r.ID, ids, marks, answers); err != nil {
		return err
	}
	var asked []uuid.UUID
	var took []bool
	var ways []string
	for _, t := range r.Turns {
		if _, here := held[t.LearnerID]; here {
			asked, took, ways = append(asked, t.LearnerID), append(took, t.Took), append(ways, string(t.Way))
		}
	}
	_, err = tx.ExecContext(ctx, `insert into turn (round_id, learner_id, took, way) select $1, id, took, way from unnest($2::uuid[], $3::bool[], $4::text[]) with ordinality as t (id, took, way, n) order by n`, r.ID, asked, took, ways)
	return err
}

// sameRound tells what stands in the way of a round.
func sameRound(ctx context.Context, tx *sqlx.Tx, r Round) error {
	var kept struct {
		LessonID uuid.UUID `db:"lesson_id"`
		Nth      int       `db:"nth"`
	}
	err := tx.GetContext(ctx, &kept, `select lesson_id, nth from round where id = $1`, r.ID)
	switch err = none(err); {
	case errors.Is(err, ErrNone):
		return ErrTwice // another one of this task
	case err != nil:
		return err
	case kept.LessonID == r.LessonID && kept.Nth == r.Nth:
		return errKept
	}
	return fmt.Errorf("%w: a round with this id", ErrTaken)
}

// recordMany keeps records of several children who are held, one of each at most, and judges
// each by its own. It returns the folds that were written, by the child.
func (s *Store) recordMany(ctx context.Context, tx *sqlx.Tx, list []Observation, held map[uuid.UUID]int) (map[uuid.UUID]writtenFold, error) {
	made := map[uuid.UUID]writtenFold{}
	list, befores, err := s.lookMany(ctx, tx, list, held)
	if err != nil || len(list) == 0 {
		return made, err
	}
	ids := make([]uuid.UUID, len(list))
	folds := make([][]byte, len(list))
	rows := make([]observationRow, len(list))
	var anew []uuid.UUID
	for i, o := range list {
		at := befores[o.LearnerID]
		o.Seq = at.Seq
		if rows[i], err = o.row(); err != nil {
			return nil, err
		}
		fold, data, err := at.goOn(o, s.takeFold(o.LearnerID, held[o.LearnerID]), s.settingsOf)
		if err != nil {
			return nil, err
		}
		ids[i], folds[i] = o.LearnerID, data
		if fold == nil {
			folds[i] = []byte{}
			anew = append(anew, o.LearnerID)
			continue
		}
		made[o.LearnerID] = writtenFold{held[o.LearnerID] + 1, fold}
	}
	if _, err := tx.NamedExecContext(ctx, `insert into observation `+observationNames+` values (:id, :class_id, :learner_id, :lesson_id, :nth, :task, :stage, :manner, :material,
		:help, :way, :answer, :came, :chosen, :runs, :note, :day, :withdrawn, :replaces, :recorded_by, :recorded_at, :seen_at, :seq, :part, :whole, :paper, :sheet_id)`, rows); err != nil {
		return nil, taken(err, "a record with this id")
	}
	if _, err := tx.ExecContext(ctx, `with counted as (update learner set revision = revision + 1, records = records + 1 where id = any($1)),
			at as (insert into spot (lesson_id, nth, learner_id, class_id, written) select $3, $4, id, $5, true from unnest($1::uuid[]) as id
				on conflict (lesson_id, nth, learner_id) do update set written = true)
		insert into standing (learner_id, fold) select * from unnest($1::uuid[], $2::bytea[]) on conflict (learner_id) do update set fold = excluded.fold`,
		ids, folds, list[0].LessonID, list[0].Nth, list[0].ClassID); err != nil {
		return nil, err
	}
	if befores[list[0].LearnerID].WeekNew {
		late, err := keepWeek(ctx, tx, list[0].ClassID, list[0].Day.Week())
		if err != nil {
			return nil, err
		}
		if late {
			return map[uuid.UUID]writtenFold{}, foldClass(ctx, tx, list[0].ClassID)
		}
	}
	for _, id := range anew {
		if err := foldAnew(ctx, tx, id); err != nil {
			return nil, err
		}
	}
	return made, nil
}

// lookMany reads what stands before a record of each of some children, and leaves out those
// of whom something is written there already, or who are gone.
func (s *Store) lookMany(ctx context.Context, tx *sqlx.Tx, list []Observation, held map[uuid.UUID]int) ([]Observation, map[uuid.UUID]before, error) {
	list = slices.DeleteFunc(slices.Clone(list), func(o Observation) bool { _, here := held[o.LearnerID]; return !here })
	if len(list) == 0 {
		return nil, nil, nil
	}
	ids := make([]uuid.UUID, len(list))
	for i, o := range list {
		ids[i] = o.LearnerID
	}
	var rows []struct {
		LearnerID uuid.UUID `db:"learner_id"`
		before
	}
	err := tx.SelectContext(ctx, &rows, `select l.id as learner_id, nextval('event_order') as seq, fold, settings, to_json(weeks) as weeks,
			not ($4::integer = any((select weeks from class where id = $5)::integer[])) as week_new,
			exists (select 1 from observation o where lesson_id = $2 and nth = $3 and o.learner_id = l.id and not (withdrawn and replaces is not null)
				and not exists (select 1 from observation later where later.replaces = o.id)) as others_written
		from unnest($1::uuid[]) with ordinality as l (id, n) left join standing on standing.learner_id = l.id
			left join lateral (select class_id from enrolment where learner_id = l.id order by until is null desc, since desc, until desc limit 1) latest on true
			left join class on class.id = latest.class_id order by n`,
		ids, list[0].LessonID, list[0].Nth, list[0].Day.Week(), list[0].ClassID)
	if err != nil {
		return nil, nil, err
	}
	befores := map[uuid.UUID]before{}
	for _, row := range rows {
		befores[row.LearnerID] = row.before
	}
	return slices.DeleteFunc(list, func(o Observation) bool { return befores[o.LearnerID].OthersWritten }), befores, nil
}

// Rounds lists the rounds of a lesson that are kept, in the order of its tasks.
func (s *Store) Rounds(ctx context.Context, lessonID uuid.UUID) ([]Round, error) {
	var rows []struct {
		ID       uuid.UUID `db:"id"`
		ClassID  uuid.UUID `db:"class_id"`
		LessonID uuid.UUID `db:"lesson_id"`
		Nth      int       `db:"nth"`
		Day      time.Time `db:"day"`
		KeptBy   uuid.UUID `db:"kept_by"`
		By       string    `db:"by_name"`
	}
	if err := s.db.SelectContext(ctx, &rows, `select round.id, class_id, lesson_id, nth, day, kept_by, account.name as by_name from round join account on account.id = kept_by where lesson_id = $1 order by nth`, lessonID); err != nil {
		return nil, err
	}
	var slates []struct {
		Nth       int              `db:"nth"`
		LearnerID uuid.UUID        `db:"learner_id"`
		Mark      lesson.SlateMark `db:"mark"`
		Answer    string           `db:"answer"`
	}
	if err := s.db.SelectContext(ctx, &slates, `select nth, learner_id, mark, answer from slate join round on round.id = round_id where lesson_id = $1 order by nth, learner_id`, lessonID); err != nil {
		return nil, err
	}
	var asked []struct {
		Nth int `db:"nth"`
		RoundTurn
	}
	if err := s.db.SelectContext(ctx, &asked, `select nth, learner_id, took, way from turn join round on round.id = round_id where lesson_id = $1 order by nth, seq`, lessonID); err != nil {
		return nil, err
	}
	list := make([]Round, len(rows))
	for i, r := range rows {
		list[i] = Round{ID: r.ID, ClassID: r.ClassID, LessonID: r.LessonID, Nth: r.Nth, Day: book.DayOf(r.Day.UTC()), KeptBy: r.KeptBy, By: r.By}
		for _, s := range slates {
			if s.Nth == r.Nth {
				list[i].Slates = append(list[i].Slates, lesson.Slate{Child: s.LearnerID.String(), Mark: s.Mark, Answer: s.Answer})
			}
		}
		for _, t := range asked {
			if t.Nth == r.Nth {
				list[i].Turns = append(list[i].Turns, t.RoundTurn)
			}
		}
	}
	return list, nil
}

// OwnSlate is a learner's slate in a round, and its turn.
type OwnSlate struct {
	Day    book.Day
	Mark   lesson.SlateMark // empty where nothing was written on slates
	Answer string
	Asked  bool // it was proposed to explain
	Took   bool
	Way    book.Way
}

// Turn says what the learner's turn came to; empty for none.
func (o OwnSlate) Turn() string {
	switch {
	case o.Took:
		return "explained"
	case o.Asked:
		return "passed by"
	}
	return ""
}

// SlatesOf lists the slates and turns of a learner, oldest first.
func (s *Store) SlatesOf(ctx context.Context, learner uuid.UUID) ([]OwnSlate, error) {
	var rows []struct {
		Day    time.Time        `db:"day"`
		Mark   lesson.SlateMark `db:"mark"`
		Answer string           `db:"answer"`
		Asked  bool             `db:"asked"`
		Took   bool             `db:"took"`
		Way    book.Way         `db:"way"`
	}
	err := s.db.SelectContext(ctx, &rows, `select day, coalesce(mark, '') as mark, coalesce(answer, '') as answer, turn.seq is not null as asked, coalesce(took, false) as took, coalesce(way, '') as way
		from (select round_id from slate where learner_id = $1 union select round_id from turn where learner_id = $1) own join round on round.id = own.round_id
			left join slate on slate.round_id = own.round_id and slate.learner_id = $1 left join turn on turn.round_id = own.round_id and turn.learner_id = $1
		order by kept_at, nth`, learner)
	list := make([]OwnSlate, len(rows))
	for i, r := range rows {
		list[i] = OwnSlate{book.DayOf(r.Day.UTC()), r.Mark, r.Answer, r.Asked, r.Took, r.Way}
	}
	return list, err
}

// turnsKnown is for how many days turns bear on whose turn it is.
const turnsKnown = 60

// Turns reads what is known of the turns of a class on a day.
func (s *Store) Turns(ctx context.Context, class uuid.UUID, today book.Day) (turns.Known, error) {
	known := turns.Known{Since: map[string]book.Day{}}
	var since []struct {
		LearnerID uuid.UUID `db:"learner_id"`
		Since     time.Time `db:"since"`
	}
	if err := s.db.SelectContext(ctx, &since, `select learner_id, since from enrolment where class_id = $1 and until is null`, class); err != nil {
		return known, err
	}
	for _, row := range since {
		known.Since[row.LearnerID.String()] = book.DayOf(row.Since.UTC())
	}
	var asked []struct {
		Day time.Time `db:"day"`
		Seq int64     `db:"seq"`
		RoundTurn
	}
	from := (today - turnsKnown).Time()
	if err := s.db.SelectContext(ctx, &asked, `select day, seq, learner_id, took, way from turn join round on round.id = round_id where class_id = $1 and day >= $2 order by seq`, class, from); err != nil {
		return known, err
	}
	for _, row := range asked {
		known.Turns = append(known.Turns, turns.Turn{Child: row.LearnerID.String(), Day: book.DayOf(row.Day.UTC()), Seq: row.Seq, Took: row.Took, Way: row.Way})
	}
	var unread []struct {
		Day       time.Time `db:"day"`
		LearnerID uuid.UUID `db:"learner_id"`
	}
	err := s.db.SelectContext(ctx, &unread, `select day, learner_id from slate join round on round.id = round_id where class_id = $1 and day >= $2 and mark = 'not-read' order by day`, class, from)
	for _, row := range unread {
		known.Unread = append(known.Unread, turns.Unread{Child: row.LearnerID.String(), Day: book.DayOf(row.Day.UTC())})
	}
	return known, err
}

// Named counts how many of some children have named each way of seeing, explaining it.
func (s *Store) Named(ctx context.Context, class uuid.UUID, learners []uuid.UUID) (map[book.Way]int, error) {
	var rows []struct {
		Way book.Way `db:"way"`
		N   int      `db:"n"`
	}
	err := s.db.SelectContext(ctx, &rows, `select way, count(distinct learner_id) as n from turn join round on round.id = round_id where class_id = $1 and learner_id = any($2) and took and way <> '' group by way`, class, learners)
	named := map[book.Way]int{}
	for _, row := range rows {
		named[row.Way] = row.N
	}
	return named, err
}
