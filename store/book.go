package store

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"slices"
	"time"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/material"
)

// Observation is a kept observation. Rows are never changed: a correction
// replaces an older one, and a withdrawn one counts for nothing.
type Observation struct {
	book.Observation
	ID         uuid.UUID
	ClassID    uuid.UUID
	LearnerID  uuid.UUID
	LessonID   uuid.NullUUID
	Nth        int // which of the lesson's tasks
	Note       string
	Withdrawn  bool
	Replaces   uuid.NullUUID
	RecordedBy uuid.UUID
	By         string // the recorder's name, when read
	RecordedAt time.Time
	Seq        int64
	Current    bool // nothing replaces it, when read
}

// Overrule is a kept judgement of a guide.
type Overrule struct {
	ladder.Overrule
	ID        uuid.UUID
	ClassID   uuid.UUID
	LearnerID uuid.UUID
	Stage     choose.StageID
	Manner    book.Manner
	JudgedBy  uuid.UUID
	By        string // the judge's name, when read
	Seq       int64
}

// ErrTwice is returned for a second record of the same child at the same problem
// of a lesson that is not said to be another run.
var ErrTwice = errors.New("this child is recorded already for this problem")

// observationRow is an observation as the table has it.
type observationRow struct {
	ID         uuid.UUID      `db:"id"`
	ClassID    uuid.UUID      `db:"class_id"`
	LearnerID  uuid.UUID      `db:"learner_id"`
	LessonID   uuid.NullUUID  `db:"lesson_id"`
	Nth        int            `db:"nth"`
	Task       []byte         `db:"task"`
	Stage      choose.StageID `db:"stage"`
	Manner     book.Manner    `db:"manner"`
	Material   material.Kind  `db:"material"`
	Help       book.Help      `db:"help"`
	Way        book.Way       `db:"way"`
	Answer     string         `db:"answer"`
	Came       book.Came      `db:"came"`
	Chosen     bool           `db:"chosen"`
	Runs       int            `db:"runs"`
	Note       string         `db:"note"`
	Day        time.Time      `db:"day"`
	Withdrawn  bool           `db:"withdrawn"`
	Replaces   uuid.NullUUID  `db:"replaces"`
	RecordedBy uuid.UUID      `db:"recorded_by"`
	RecordedAt time.Time      `db:"recorded_at"`
	Seq        int64          `db:"seq"`
	By         string         `db:"by_name"`
	Current    bool           `db:"current"`
}

const observationColumns = `o.id, o.class_id, o.learner_id, o.lesson_id, o.nth, o.task, o.stage, o.manner, o.material, o.help, o.way, o.answer, o.came,
	o.chosen, o.runs, o.note, o.day, o.withdrawn, o.replaces, o.recorded_by, o.recorded_at, o.seq, account.name as by_name,
	not exists (select 1 from observation later where later.replaces = o.id) as current`

const observationsFrom = ` from observation o join account on account.id = o.recorded_by `

func (o Observation) row() (observationRow, error) {
	kept, err := json.Marshal(o.Task)
	return observationRow{
		ID: o.ID, ClassID: o.ClassID, LearnerID: o.LearnerID, LessonID: o.LessonID, Nth: o.Nth, Task: kept, Stage: o.Stage, Manner: o.Manner,
		Material: o.Material, Help: o.Help, Way: o.Way, Answer: o.Answer, Came: o.Came, Chosen: o.Chosen, Runs: o.Runs, Note: o.Note,
		Day: o.Day.Time(), Withdrawn: o.Withdrawn, Replaces: o.Replaces, RecordedBy: o.RecordedBy, RecordedAt: o.RecordedAt,
	}, err
}

func (r observationRow) observation() (Observation, error) {
	o := Observation{
		ID: r.ID, ClassID: r.ClassID, LearnerID: r.LearnerID, LessonID: r.LessonID, Nth: r.Nth, Note: r.Note, Withdrawn: r.Withdrawn, Replaces: r.Replaces,
		RecordedBy: r.RecordedBy, By: r.By, RecordedAt: r.RecordedAt, Seq: r.Seq, Current: r.Current,
	}
	o.Stage, o.Manner, o.Material, o.Help, o.Way, o.Answer, o.Came = r.Stage, r.Manner, r.Material, r.Help, r.Way, r.Answer, r.Came
	o.Chosen, o.Runs, o.Day = r.Chosen, r.Runs, book.DayOf(r.Day.UTC())
	if err := json.Unmarshal(r.Task, &o.Task); err != nil {
		return o, fmt.Errorf("observation %v: task: %w", r.ID, err)
	}
	return o, nil
}

func observations(ctx context.Context, db sqlx.QueryerContext, query string, args ...any) ([]Observation, error) {
	var rows []observationRow
	if err := sqlx.SelectContext(ctx, db, &rows, `select `+observationColumns+observationsFrom+query, args...); err != nil {
		return nil, err
	}
	list := make([]Observation, len(rows))
	for i, r := range rows {
		var err error
		if list[i], err = r.observation(); err != nil {
			return nil, err
		}
	}
	return list, nil
}

// Record keeps an observation and folds the learner's standings anew, both or
// neither. The same id again changes nothing and is no error. An erased learner
// gives ErrNone, an id that another record uses ErrTaken, a correction of what
// was corrected meanwhile ErrStale. Where the child is recorded already at this
// problem of the lesson, a first record gives ErrTwice unless it is said to be
// another run.
func (s *Store) Record(ctx context.Context, o Observation, anotherRun bool) error {
	return s.inTx(ctx, func(tx *sqlx.Tx) error {
		if err := holdLearner(ctx, tx, o.LearnerID); err != nil {
			return err
		}
		if known, err := sameRecord(ctx, tx, o); known || err != nil {
			return err
		}
		if err := mayRecord(ctx, tx, o, anotherRun); err != nil {
			return err
		}
		if err := insertObservations(ctx, tx, []Observation{o}); err != nil {
			return err
		}
		late, err := keepWeek(ctx, tx, o)
		if err != nil {
			return err
		}
		if late { // a week among those that lie behind bears on everybody
			return foldClass(ctx, tx, o.ClassID)
		}
		return fold(ctx, tx, o.LearnerID)
	})
}

// holdLearner lets one at a time change what is recorded of a learner.
func holdLearner(ctx context.Context, tx *sqlx.Tx, learner uuid.UUID) error {
	var id uuid.UUID
	return none(tx.GetContext(ctx, &id, `select id from learner where id = $1 for no key update`, learner))
}

// sameRecord tells whether the id is kept already; as another's it is taken.
func sameRecord(ctx context.Context, tx *sqlx.Tx, o Observation) (known bool, err error) {
	var owner uuid.UUID
	err = none(tx.GetContext(ctx, &owner, `select learner_id from observation where id = $1 and class_id = $2`, o.ID, o.ClassID))
	switch {
	case errors.Is(err, ErrNone):
		return false, nil
	case err != nil:
		return false, err
	case owner != o.LearnerID:
		return false, fmt.Errorf("%w: a record with this id", ErrTaken)
	}
	return true, nil
}

func mayRecord(ctx context.Context, tx *sqlx.Tx, o Observation, anotherRun bool) error {
	var n int
	if o.Replaces.Valid {
		if err := tx.GetContext(ctx, &n, `select count(*) from observation where id = $1 and class_id = $2 and learner_id = $3`, o.Replaces, o.ClassID, o.LearnerID); err != nil {
			return err
		}
		if n == 0 {
			return ErrNone
		}
		if err := tx.GetContext(ctx, &n, `select count(*) from observation where replaces = $1`, o.Replaces); err != nil {
			return err
		}
		if n > 0 {
			return ErrStale
		}
		return nil
	}
	if anotherRun || !o.LessonID.Valid {
		return nil
	}
	err := tx.GetContext(ctx, &n, `select count(*) from observation o where lesson_id = $1 and nth = $2 and learner_id = $3 and not withdrawn
		and not exists (select 1 from observation later where later.replaces = o.id)`, o.LessonID, o.Nth, o.LearnerID)
	if err == nil && n > 0 {
		return ErrTwice
	}
	return err
}

// batch is how many rows go into one statement: PostgreSQL takes 65,535
// parameters.
const batch = 1_000

func insertObservations(ctx context.Context, tx *sqlx.Tx, list []Observation) error {
	for part := range slices.Chunk(list, batch) {
		rows := make([]observationRow, len(part))
		for i, o := range part {
			var err error
			if rows[i], err = o.row(); err != nil {
				return err
			}
		}
		_, err := tx.NamedExecContext(ctx, `insert into observation (id, class_id, learner_id, lesson_id, nth, task, stage, manner, material, help, way, answer, came,
			chosen, runs, note, day, withdrawn, replaces, recorded_by, recorded_at) values (:id, :class_id, :learner_id, :lesson_id, :nth, :task, :stage, :manner, :material,
			:help, :way, :answer, :came, :chosen, :runs, :note, :day, :withdrawn, :replaces, :recorded_by, :recorded_at)`, rows)
		if err != nil {
			return taken(err, "a record with this id")
		}
	}
	return nil
}

// RecordAll keeps many observations at once, in their order, and folds each
// learner's standings once: for what is read in from elsewhere, or made up.
func (s *Store) RecordAll(ctx context.Context, list []Observation) error {
	return s.inTx(ctx, func(tx *sqlx.Tx) error {
		if err := insertObservations(ctx, tx, list); err != nil {
			return err
		}
		for _, o := range list {
			if _, err := keepWeek(ctx, tx, o); err != nil {
				return err
			}
		}
		for _, id := range learnersOf(list) {
			if err := fold(ctx, tx, id); err != nil {
				return err
			}
		}
		return nil
	})
}

func learnersOf(list []Observation) []uuid.UUID {
	var ids []uuid.UUID
	seen := map[uuid.UUID]bool{}
	for _, o := range list {
		if !seen[o.LearnerID] {
			seen[o.LearnerID] = true
			ids = append(ids, o.LearnerID)
		}
	}
	return ids
}

// Overrule keeps a guide's judgement and folds the learner's standings anew. The
// same id again changes nothing.
func (s *Store) Overrule(ctx context.Context, o Overrule) error {
	return s.inTx(ctx, func(tx *sqlx.Tx) error {
		if err := holdLearner(ctx, tx, o.LearnerID); err != nil {
			return err
		}
		_, err := tx.ExecContext(ctx, `insert into overrule (id, class_id, learner_id, stage, manner, state, reason, day, judged_by) values ($1, $2, $3, $4, $5, $6, $7, $8, $9)
			on conflict (id) do nothing`, o.ID, o.ClassID, o.LearnerID, o.Stage, o.Manner, o.State, o.Reason, o.Day.Time(), o.JudgedBy)
		if err != nil {
			return err
		}
		return fold(ctx, tx, o.LearnerID)
	})
}

func overrules(ctx context.Context, db sqlx.QueryerContext, learner uuid.UUID) ([]Overrule, error) {
	var rows []struct {
		ID       uuid.UUID      `db:"id"`
		ClassID  uuid.UUID      `db:"class_id"`
		Stage    choose.StageID `db:"stage"`
		Manner   book.Manner    `db:"manner"`
		State    ladder.State   `db:"state"`
		Reason   string         `db:"reason"`
		Day      time.Time      `db:"day"`
		JudgedBy uuid.UUID      `db:"judged_by"`
		By       string         `db:"by_name"`
		Seq      int64          `db:"seq"`
	}
	err := sqlx.SelectContext(ctx, db, &rows, `select overrule.id, class_id, stage, manner, state, reason, day, judged_by, account.name as by_name, seq
		from overrule join account on account.id = judged_by where learner_id = $1 order by seq`, learner)
	list := make([]Overrule, len(rows))
	for i, r := range rows {
		list[i] = Overrule{ladder.Overrule{State: r.State, Reason: r.Reason, Day: book.DayOf(r.Day.UTC())}, r.ID, r.ClassID, learner, r.Stage, r.Manner, r.JudgedBy, r.By, r.Seq}
	}
	return list, err
}

// Record is the observation as core reads it.
func (o Observation) Record() book.Record {
	r := book.Record{Observation: o.Observation, ID: o.ID.String(), Learner: o.LearnerID.String(), Nth: o.Nth, Withdrawn: o.Withdrawn, Seq: o.Seq}
	if o.Replaces.Valid {
		r.Replaces = o.Replaces.UUID.String()
	}
	if o.LessonID.Valid {
		r.Lesson = o.LessonID.UUID.String()
	}
	return r
}

// Records are observations as core reads them.
func Records(list []Observation) []book.Record {
	records := make([]book.Record, len(list))
	for i, o := range list {
		records[i] = o.Record()
	}
	return records
}

// Overrules lists the judgements of guides about a learner, oldest first.
func (s *Store) Overrules(ctx context.Context, learner uuid.UUID) ([]Overrule, error) {
	return overrules(ctx, s.db, learner)
}

// Observations lists all that is recorded of a learner, newest first, with what
// was corrected and withdrawn.
func (s *Store) Observations(ctx context.Context, learner uuid.UUID) ([]Observation, error) {
	return observations(ctx, s.db, `where o.learner_id = $1 order by o.day desc, o.seq desc`, learner)
}

// LessonObservations lists all that is recorded of a lesson, in the order in
// which it was recorded.
func (s *Store) LessonObservations(ctx context.Context, lesson uuid.UUID) ([]Observation, error) {
	return observations(ctx, s.db, `where o.lesson_id = $1 order by o.seq`, lesson)
}
