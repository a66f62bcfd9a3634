package store

import (
	"bytes"
	"context"
	"database/sql"
	"encoding/json"
	"errors"
	"fmt"
	"maps"
	"slices"
	"time"

	"github.com/google/uuid"
	"github.com/jackc/pgx/v5/pgtype"
	"github.com/jmoiron/sqlx"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/material"
	"vineswap/core/place"
	"vineswap/core/setting"
)

// Observation is a kept observation. Rows are never changed: a correction
// replaces an older one, and a withdrawn one counts for nothing.
type Observation struct {
	book.Observation
	ID         uuid.UUID
	ClassID    uuid.UUID
	LearnerID  uuid.UUID
	LessonID   uuid.NullUUID
	SheetID    uuid.NullUUID
	Nth        int // which of the tasks of the lesson, or of the sheet
	Note       string
	Withdrawn  bool
	Replaces   uuid.NullUUID
	RecordedBy uuid.UUID
	By         string // the recorder's name, when read
	RecordedAt time.Time
	SeenAt     sql.NullTime // by the clock of the device on which it was written down
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
var ErrTwice = errors.New("this child already has a record for this problem")

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
	SeenAt     sql.NullTime   `db:"seen_at"`
	Seq        int64          `db:"seq"`
	Part       string         `db:"part"`
	Whole      bool           `db:"whole"`
	Paper      bool           `db:"paper"`
	SheetID    uuid.NullUUID  `db:"sheet_id"`
	By         string         `db:"by_name"`
	Current    bool           `db:"current"`
}

const observationColumns = `o.id, o.class_id, o.learner_id, o.lesson_id, o.nth, o.task, o.stage, o.manner, o.material, o.help, o.way, o.answer, o.came,
	o.chosen, o.runs, o.note, o.day, o.withdrawn, o.replaces, o.recorded_by, o.recorded_at, o.seen_at, o.seq, o.part, o.whole, o.paper, o.sheet_id, account.name as by_name,
	later.yes is null as current`

// What replaces a record is looked for record by record: with a limit PostgreSQL does
// not look through the records of everybody instead.
const observationsFrom = ` from observation o join account on account.id = o.recorded_by
	left join lateral (select true as yes from observation r where r.replaces = o.id limit 1) later on true `

func (o Observation) row() (observationRow, error) {
	kept, err := o.Task.MarshalJSON()
	return observationRow{
		ID: o.ID, ClassID: o.ClassID, LearnerID: o.LearnerID, LessonID: o.LessonID, Nth: o.Nth, Task: kept, Stage: o.Stage, Manner: o.Manner,
		Material: o.Material, Help: o.Help, Way: o.Way, Answer: o.Answer, Came: o.Came, Chosen: o.Chosen, Runs: o.Runs, Note: o.Note,
		Day: o.Day.Time(), Withdrawn: o.Withdrawn, Replaces: o.Replaces, RecordedBy: o.RecordedBy, RecordedAt: o.RecordedAt, SeenAt: o.SeenAt, Seq: o.Seq, Part: o.Part.String(), Whole: o.Whole, Paper: o.Paper, SheetID: o.SheetID,
	}, err
}

func (r observationRow) observation() (Observation, error) {
	o := Observation{
		ID: r.ID, ClassID: r.ClassID, LearnerID: r.LearnerID, LessonID: r.LessonID, SheetID: r.SheetID, Nth: r.Nth, Note: r.Note, Withdrawn: r.Withdrawn, Replaces: r.Replaces,
		RecordedBy: r.RecordedBy, By: r.By, RecordedAt: r.RecordedAt, SeenAt: r.SeenAt, Seq: r.Seq, Current: r.Current,
	}
	o.Stage, o.Manner, o.Material, o.Help, o.Way, o.Answer, o.Came = r.Stage, r.Manner, r.Material, r.Help, r.Way, r.Answer, r.Came
	o.Chosen, o.Runs, o.Day, o.Whole, o.Paper = r.Chosen, r.Runs, book.DayOf(r.Day.UTC()), r.Whole, r.Paper
	var err error
	if o.Part, err = place.ParseSet(r.Part); err != nil {
		return o, fmt.Errorf("observation %v: part: %w", r.ID, err)
	}
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

// Record keeps an observation and judges the learner by it, both or neither. The
// same id again changes nothing and is no error. An erased learner gives ErrErased, an
// id that another record uses ErrTaken, a correction of what is not there ErrNone and
// one of what was corrected meanwhile ErrStale. Where the child is recorded already at this problem of the lesson, a
// first record gives ErrTwice unless it is said to be another run.
func (s *Store) Record(ctx context.Context, o Observation, anotherRun bool) error {
	var made writtenFold
	err := s.inTx(ctx, func(tx *sqlx.Tx) error {
		made = writtenFold{}
		revision, err := hold(ctx, tx, o.LearnerID, 1)
		if errors.Is(err, ErrNone) {
			return ErrErased
		} else if err != nil {
			return err
		}
		last := s.takeFold(o.LearnerID, revision-1)
		at, err := look(ctx, tx, o, last == nil)
		if err != nil {
			return err
		}
		if known, err := at.may(o, anotherRun); known || err != nil {
			return errors.Join(err, keptBefore(known))
		}
		kept := o
		kept.Seq = at.Seq
		fold, data, err := at.goOn(kept, last, s.settingsOf)
		if err != nil {
			return err
		}
		if err := insertObservation(ctx, tx, kept, at.OthersWritten || !kept.Record().Undone(), data); err != nil {
			return err
		}
		made = writtenFold{revision, fold}
		return afterRecord(ctx, tx, kept, at.WeekNew, fold != nil)
	})
	if errors.Is(err, errKept) {
		return nil
	}
	if err == nil && made.fold != nil {
		s.folds.Add(o.LearnerID, made)
	}
	return err
}

// errKept ends a transaction that has nothing to change: the record is kept already.
var errKept = errors.New("kept already")

func keptBefore(known bool) error {
	if known {
		return errKept
	}
	return nil
}

// takeFold takes the fold of a learner that was written with a revision; nil where it
// is not here.
func (s *Store) takeFold(learner uuid.UUID, revision int) *ladder.Fold {
	written, ok := s.folds.Get(learner)
	if !ok || written.revision != revision {
		return nil
	}
	s.folds.Remove(learner)
	return written.fold
}

// afterRecord sees to what a record changes besides the learner's own fold.
func afterRecord(ctx context.Context, tx *sqlx.Tx, o Observation, weekNew, judged bool) error {
	if weekNew {
		late, err := keepWeek(ctx, tx, o.ClassID, o.Day.Week())
		if err != nil {
			return err
		}
		if late { // a week among those that lie behind bears on everybody
			if err := foldClass(ctx, tx, o.ClassID); err != nil {
				return err
			}
		}
	}
	if judged {
		return nil
	}
	return foldAnew(ctx, tx, o.LearnerID)
}

// before is what stands before a record is kept, all read at once.
type before struct {
	Owner         uuid.NullUUID `db:"owner"`          // of what is kept under its id
	OwnerClass    uuid.NullUUID `db:"owner_class"`    // and the class
	Replaced      bool          `db:"replaced"`       // there is such a record to correct
	Corrected     bool          `db:"corrected"`      // and it was corrected already
	Others        int           `db:"others"`         // records that stand at its spot
	OthersWritten bool          `db:"others_written"` // something but what it replaces is written there
	WeekNew       bool          `db:"week_new"`       // the class has recorded nothing in its week
	Seq           int64         `db:"seq"`            // the next place in the order of events
	Fold          []byte        `db:"fold"`
	Settings      []byte        `db:"settings"` // of the class that the learner is in, as are the weeks
	Weeks         []byte        `db:"weeks"`
}

// look reads what stands before a record; the fold only where it is asked for.
func look(ctx context.Context, tx *sqlx.Tx, o Observation, withFold bool) (before, error) {
	var at before
	err := tx.GetContext(ctx, &at, `with latest as (select class_id from enrolment where learner_id = $1 order by until is null desc, since desc, until desc limit 1),
		stand as (select o.id, o.withdrawn, o.replaces from observation o where (lesson_id = $3 or sheet_id = $9) and nth = $4 and learner_id = $1
			and not exists (select 1 from observation later where later.replaces = o.id))
		select same.learner_id as owner, same.class_id as owner_class,
			exists (select 1 from observation where id = $5 and class_id = $6 and learner_id = $1) as replaced,
			exists (select 1 from observation where replaces = $5) as corrected,
			(select count(*) from stand where not withdrawn) as others,
			exists (select 1 from stand where id is distinct from $5 and not (withdrawn and replaces is not null)) as others_written,
			not ($7::integer = any((select weeks from class where id = $6)::integer[])) as week_new,
			nextval('event_order') as seq, case when $8 then fold end as fold, settings, to_json(weeks) as weeks
		from (select 1) as one left join observation same on same.id = $2 left join standing on standing.learner_id = $1
			left join latest on true left join class on class.id = latest.class_id`,
		o.LearnerID, o.ID, o.LessonID, o.Nth, o.Replaces, o.ClassID, o.Day.Week(), withFold, o.SheetID)
	return at, err
}

// may tells whether a record is kept already, or why it may not be.
func (b before) may(o Observation, anotherRun bool) (known bool, err error) {
	switch {
	case b.Owner.Valid && (b.Owner.UUID != o.LearnerID || b.OwnerClass.UUID != o.ClassID):
		return false, fmt.Errorf("%w: a record with this id", ErrTaken)
	case b.Owner.Valid:
		return true, nil
	case o.Replaces.Valid && !b.Replaced:
		return false, ErrNone
	case o.Replaces.Valid && b.Corrected:
		return false, ErrStale
	case !o.Replaces.Valid && !anotherRun && (o.LessonID.Valid || o.SheetID.Valid) && b.Others > 0:
		return false, ErrTwice
	}
	return false, nil
}

// goOn judges on from where the learner stands, which is a fold that is at hand or else
// was read. It returns no fold where that cannot be done: what was corrected or is dated
// back changes what was judged since.
func (b before) goOn(o Observation, last *ladder.Fold, read func([]byte) (setting.Class, error)) (fold *ladder.Fold, data []byte, err error) {
	if o.Replaces.Valid || b.Settings == nil {
		return nil, nil, nil
	}
	class, err := classRow{Settings: b.Settings, Weeks: b.Weeks}.class(read)
	if err != nil {
		return nil, nil, err
	}
	switch fold = last; {
	case fold != nil:
		fold.For(class.Judged())
	case b.Fold != nil:
		if fold, err = ladder.ReadFold(class.Judged(), b.Fold); err != nil {
			return nil, nil, fmt.Errorf("how %v stands: %w", o.LearnerID, err)
		}
	default:
		fold = ladder.NewFold(class.Judged())
	}
	if !o.Withdrawn { // else there is nothing to judge
		saw := ladder.Saw(o.Observation)
		if saw.Seq = o.Seq; !fold.Follows(saw) {
			return nil, nil, nil
		}
		fold.Take(saw)
	}
	data, err = fold.MarshalBinary()
	return fold, data, err
}

const observationNames = `(id, class_id, learner_id, lesson_id, nth, task, stage, manner, material, help, way, answer, came,
			chosen, runs, note, day, withdrawn, replaces, recorded_by, recorded_at, seen_at, seq, part, whole, paper, sheet_id)`

// insertObservation keeps a record with what it says of its spot, and how the
// learner stands by it; without a fold the learner will be judged anew.
func insertObservation(ctx context.Context, tx *sqlx.Tx, o Observation, written bool, fold []byte) error {
	row, err := o.row()
	if err != nil {
		return err
	}
	if fold == nil {
		fold = []byte{}
	}
	_, err = tx.NamedExecContext(ctx, `with kept as (insert into observation `+observationNames+` values (:id, :class_id, :learner_id, :lesson_id, :nth, :task, :stage, :manner, :material,
				:help, :way, :answer, :came, :chosen, :runs, :note, :day, :withdrawn, :replaces, :recorded_by, :recorded_at, :seen_at, :seq, :part, :whole, :paper, :sheet_id)),
			at as (insert into spot (lesson_id, nth, learner_id, class_id, written) select cast(:lesson_id as uuid), :nth, :learner_id, :class_id, :written where cast(:lesson_id as uuid) is not null
				on conflict (lesson_id, nth, learner_id) do update set written = excluded.written where spot.written <> excluded.written)
		insert into standing (learner_id, fold) values (:learner_id, :fold) on conflict (learner_id) do update set fold = excluded.fold`,
		struct {
			observationRow
			Written bool   `db:"written"`
			Fold    []byte `db:"fold"`
		}{row, written, fold})
	return taken(err, "a record with this id")
}

// Batch is how many records are best written at once: that they belong to children of a class is
// looked up when all of them are there.
const Batch = 20_000

// inOrder gives new observations their places in the order of events, one after another.
func inOrder(ctx context.Context, db sqlx.QueryerContext, list []Observation) ([]Observation, error) {
	var places []int64
	row := db.QueryRowxContext(ctx, `select array(select nextval('event_order') from generate_series(1, $1))`, len(list))
	if err := row.Scan(pgtype.NewMap().SQLScanner(&places)); err != nil {
		return nil, err
	}
	list = slices.Clone(list)
	for i := range list {
		list[i].Seq = places[i]
	}
	return list, nil
}

// insertObservations keeps observations that have their places in the order of events.
func insertObservations(ctx context.Context, rows copyRows, list []Observation, done func(int)) error {
	kept := 0
	for part := range slices.Chunk(list, Batch) {
		err := rows(ctx, "observation", observationTable, len(part), func(i int) ([]any, error) {
			row, err := part[i].row()
			return row.values(), err
		})
		if err != nil {
			return taken(err, "a record with this id")
		}
		kept += len(part)
		done(kept)
	}
	return nil
}

// observationTable are the columns of a row's values.
var observationTable = []string{"id", "class_id", "learner_id", "lesson_id", "sheet_id", "nth", "task", "stage", "manner", "material", "help", "way", "answer", "came",
	"chosen", "runs", "note", "day", "withdrawn", "replaces", "recorded_by", "recorded_at", "seen_at", "part", "whole", "paper", "seq"}

func (r *observationRow) values() []any {
	return []any{r.ID, r.ClassID, r.LearnerID, r.LessonID, r.SheetID, r.Nth, r.Task, string(r.Stage), string(r.Manner), string(r.Material), string(r.Help), string(r.Way), r.Answer, string(r.Came),
		r.Chosen, r.Runs, r.Note, r.Day, r.Withdrawn, r.Replaces, r.RecordedBy, r.RecordedAt, r.SeenAt, r.Part, r.Whole, r.Paper, r.Seq}
}

// RecordAll keeps many observations at once, in their order, and judges each
// learner once: for what is read in from elsewhere, or made up.
func (s *Store) RecordAll(ctx context.Context, list []Observation) error {
	return s.inCopyingTx(ctx, func(tx *sqlx.Tx, rows copyRows) error { return recordAll(ctx, tx, rows, list) })
}

func recordAll(ctx context.Context, tx *sqlx.Tx, rows copyRows, list []Observation) error {
	list, err := inOrder(ctx, tx, list)
	if err != nil {
		return err
	}
	if err := insertObservations(ctx, rows, list, func(int) {}); err != nil {
		return err
	}
	type classWeek struct {
		class uuid.UUID
		week  book.Week
	}
	weeks, learners, lessons := map[classWeek]bool{}, map[uuid.UUID]bool{}, map[uuid.UUID]bool{}
	for _, o := range list {
		weeks[classWeek{o.ClassID, o.Day.Week()}] = true
		learners[o.LearnerID] = true
		if o.LessonID.Valid {
			lessons[o.LessonID.UUID] = true
		}
	}
	held := slices.SortedFunc(maps.Keys(learners), func(a, b uuid.UUID) int { return bytes.Compare(a[:], b[:]) })
	for _, id := range held { // before the class, as every record does
		if err := holdLearner(ctx, tx, id); err != nil {
			return err
		}
	}
	late := map[uuid.UUID]bool{} // classes in which a week among those that lie behind bears on everybody
	for w := range weeks {
		isLate, err := keepWeek(ctx, tx, w.class, w.week)
		if err != nil {
			return err
		}
		late[w.class] = late[w.class] || isLate
	}
	if err := writeSpots(ctx, tx, slices.Collect(maps.Keys(lessons))); err != nil {
		return err
	}
	if _, err := tx.ExecContext(ctx, `update learner set records = (select count(*) from observation where learner_id = learner.id) where id = any($1)`, held); err != nil {
		return err
	}
	for class, is := range late { // it holds and judges all who are in the class
		if !is {
			continue
		}
		if err := foldClass(ctx, tx, class); err != nil {
			return err
		}
		var judged []uuid.UUID
		if err := tx.SelectContext(ctx, &judged, `select learner_id from enrolment where class_id = $1 and until is null`, class); err != nil {
			return err
		}
		held = slices.DeleteFunc(held, func(id uuid.UUID) bool { return slices.Contains(judged, id) })
	}
	for _, id := range held {
		if err := foldAnew(ctx, tx, id); err != nil {
			return err
		}
	}
	return nil
}

// Overrule keeps a guide's judgement and judges the learner by it. The same id again
// changes nothing; an id that another judgement uses gives ErrTaken.
func (s *Store) Overrule(ctx context.Context, o Overrule) error {
	return s.inTx(ctx, func(tx *sqlx.Tx) error {
		if err := holdLearner(ctx, tx, o.LearnerID); err != nil {
			return err
		}
		res, err := tx.ExecContext(ctx, `insert into overrule (id, class_id, learner_id, stage, manner, state, reason, day, judged_by) values ($1, $2, $3, $4, $5, $6, $7, $8, $9)
			on conflict (id) do nothing`, o.ID, o.ClassID, o.LearnerID, o.Stage, o.Manner, o.State, o.Reason, o.Day.Time(), o.JudgedBy)
		if err != nil {
			return err
		}
		if n, err := res.RowsAffected(); err != nil || n == 1 {
			return errors.Join(err, foldAnew(ctx, tx, o.LearnerID))
		}
		var same bool
		err = tx.GetContext(ctx, &same, `select exists (select 1 from overrule where id = $1 and learner_id = $2 and stage = $3 and manner = $4 and state = $5 and reason = $6)`,
			o.ID, o.LearnerID, o.Stage, o.Manner, o.State, o.Reason)
		if err == nil && !same {
			return fmt.Errorf("%w: a judgement with this id", ErrTaken)
		}
		return err
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

// Observation reads one record of a learner; ErrNone where there is none with this id.
func (s *Store) Observation(ctx context.Context, learner, id uuid.UUID) (Observation, error) {
	list, err := observations(ctx, s.db, `where o.learner_id = $1 and o.id = $2`, learner, id)
	if err == nil && len(list) == 0 {
		err = ErrNone
	}
	if err != nil {
		return Observation{}, err
	}
	return list[0], nil
}

// ObservationPart is a part of what is recorded of a learner, newest first.
type ObservationPart struct {
	After uuid.UUID // the last one that is known; the nil UUID for the beginning
	Most  int
}

// ObservationsPart lists a part of what Observations lists.
func (s *Store) ObservationsPart(ctx context.Context, learner uuid.UUID, part ObservationPart) ([]Observation, error) {
	if part.After == uuid.Nil {
		return observations(ctx, s.db, `where o.learner_id = $1 order by o.day desc, o.seq desc limit $2`, learner, part.Most)
	}
	return observations(ctx, s.db, `where o.learner_id = $1 and (o.day, o.seq) < (select day, seq from observation where id = $3 and learner_id = $1)
		order by o.day desc, o.seq desc limit $2`, learner, part.Most, part.After)
}

// CountObservations counts what Observations lists.
func (s *Store) CountObservations(ctx context.Context, learner uuid.UUID) (n int, err error) {
	err = s.db.GetContext(ctx, &n, `select records from learner where id = $1`, learner)
	return n, none(err)
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
