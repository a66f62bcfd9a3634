package store

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"slices"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/ladder"
)

// keepWeek notes in a class that it recorded something in a week; late tells that
// the week is new and lies before others.
func keepWeek(ctx context.Context, tx *sqlx.Tx, class uuid.UUID, week book.Week) (late bool, err error) {
	var last book.Week
	err = none(tx.GetContext(ctx, &last, `update class set weeks = (select array_agg(w order by w) from unnest(weeks || $2::integer) as w)
		where id = $1 and not ($2 = any(weeks)) returning (select max(w) from unnest(weeks) as w)`, class, week))
	if errors.Is(err, ErrNone) {
		return false, nil // another record has noted it
	}
	return last > week, err
}

// classOf is the class that a learner is in, or was in last.
func classOf(ctx context.Context, db sqlx.QueryerContext, learner uuid.UUID) (Class, error) {
	return readClass(ctx, db, `class.id = (select class_id from enrolment where learner_id = $1 order by until is null desc, since desc, until desc limit 1)`, learner)
}

// events reads all that bears on how a learner stands, in the order in which it
// happened.
func events(ctx context.Context, db sqlx.QueryerContext, learner uuid.UUID) ([]ladder.Event, error) {
	return eventsWith(ctx, db, learner, nil)
}

// eventsWith is events with records that are not kept yet.
func eventsWith(ctx context.Context, db sqlx.QueryerContext, learner uuid.UUID, more []Observation) ([]ladder.Event, error) {
	seen, err := observations(ctx, db, `where o.learner_id = $1 order by o.seq`, learner)
	if err != nil {
		return nil, err
	}
	seen = append(seen, more...)
	judged, err := overrules(ctx, db, learner)
	if err != nil {
		return nil, err
	}
	rulings := make([]ladder.Ruling, len(judged))
	for i, o := range judged {
		rulings[i] = ladder.Ruling{Overrule: o.Overrule, Key: ladder.Key{Stage: o.Stage, Manner: o.Manner}, Seq: o.Seq}
	}
	return ladder.Events(Records(seen), rulings), nil
}

// foldAnew judges all that is recorded of a learner and keeps how it stands.
func foldAnew(ctx context.Context, tx *sqlx.Tx, learner uuid.UUID) error {
	class, err := classOf(ctx, tx, learner)
	if err != nil {
		return err
	}
	all, err := events(ctx, tx, learner)
	if err != nil {
		return err
	}
	if len(all) == 0 {
		_, err := tx.ExecContext(ctx, `delete from standing where learner_id = $1`, learner)
		return err
	}
	fold := ladder.NewFold(class.Judged())
	for _, e := range all {
		fold.Take(e)
	}
	data, err := fold.MarshalBinary()
	if err != nil {
		return err
	}
	_, err = tx.ExecContext(ctx, keepFold, learner, data)
	return err
}

const keepFold = `insert into standing (learner_id, fold) values ($1, $2) on conflict (learner_id) do update set fold = excluded.fold`

// holdLearner lets one at a time change what is known of a learner, and notes that
// something changes.
func holdLearner(ctx context.Context, tx *sqlx.Tx, learner uuid.UUID) error {
	_, err := hold(ctx, tx, learner, 0)
	return err
}

// hold is holdLearner of one of whom so many records more are kept; it returns the
// new revision.
func hold(ctx context.Context, tx *sqlx.Tx, learner uuid.UUID, more int) (revision int, err error) {
	err = tx.GetContext(ctx, &revision, `update learner set revision = revision + 1, records = records + $2 where id = $1 returning revision`, learner, more)
	return revision, none(err)
}

// holdClass holds all children who are in a class, always in the same order.
func holdClass(ctx context.Context, tx *sqlx.Tx, class uuid.UUID) ([]uuid.UUID, error) {
	var ids []uuid.UUID
	err := tx.SelectContext(ctx, &ids, `select id from learner where id in (select learner_id from enrolment where class_id = $1 and until is null) order by id for no key update`, class)
	return ids, err
}

// foldClass judges all children who are in a class anew.
func foldClass(ctx context.Context, tx *sqlx.Tx, class uuid.UUID) error {
	ids, err := holdClass(ctx, tx, class)
	if err != nil {
		return err
	}
	for _, id := range ids {
		if err := holdLearner(ctx, tx, id); err != nil {
			return err
		}
		if err := foldAnew(ctx, tx, id); err != nil {
			return err
		}
	}
	return nil
}

// Rejudge folds the standings of every learner anew, as after a change of the
// rule, and returns how many learners there are.
func (s *Store) Rejudge(ctx context.Context) (int, error) {
	var ids []uuid.UUID
	if err := s.db.SelectContext(ctx, &ids, `select id from learner order by id`); err != nil {
		return 0, err
	}
	for i, id := range ids {
		err := s.inTx(ctx, func(tx *sqlx.Tx) error {
			if err := holdLearner(ctx, tx, id); err != nil {
				return err
			}
			return foldAnew(ctx, tx, id)
		})
		if err != nil && !errors.Is(err, ErrNone) { // erased meanwhile
			return i, err
		}
	}
	return len(ids), nil
}

// arrive lets the stages that this version has and the database has not arrive:
// every learner is judged by the rule as it is now, and keeps what an arrival
// leaves. It does nothing where both the rule and the stages are the same.
func (s *Store) arrive(ctx context.Context) error {
	var known struct {
		Rule   int    `db:"rule"`
		Stages []byte `db:"stages"`
	}
	if err := s.db.GetContext(ctx, &known, `select rule, stages from judged`); err != nil {
		return err
	}
	var had []choose.StageID
	if err := json.Unmarshal(known.Stages, &had); err != nil {
		return fmt.Errorf("the stages that were judged: %w", err)
	}
	var have, arriving []choose.StageID
	for _, strand := range ladder.Strands() {
		for _, stage := range ladder.Stages(strand) {
			have = append(have, stage.ID)
			if !slices.Contains(had, stage.ID) {
				arriving = append(arriving, stage.ID)
			}
		}
	}
	if len(arriving) == 0 && known.Rule == ladder.RuleVersion {
		return nil
	}
	stages, err := json.Marshal(have)
	if err != nil {
		return err
	}
	return s.inTx(ctx, func(tx *sqlx.Tx) error {
		var ids []uuid.UUID
		if err := tx.SelectContext(ctx, &ids, `select id from learner where exists (select 1 from enrolment where learner_id = id) order by id for no key update`); err != nil {
			return err
		}
		for _, id := range ids {
			if err := arriveFor(ctx, tx, id, arriving); err != nil {
				return err
			}
		}
		_, err := tx.ExecContext(ctx, `update judged set rule = $1, stages = $2`, ladder.RuleVersion, string(stages))
		return err
	})
}

func arriveFor(ctx context.Context, tx *sqlx.Tx, learner uuid.UUID, arriving []choose.StageID) error {
	if err := holdLearner(ctx, tx, learner); err != nil {
		return err
	}
	if err := foldAnew(ctx, tx, learner); err != nil {
		return err
	}
	if len(arriving) == 0 {
		return nil
	}
	class, err := classOf(ctx, tx, learner)
	if err != nil {
		return err
	}
	now, err := readStood(ctx, tx, class, []uuid.UUID{learner})
	if err != nil {
		return err
	}
	child := now[learner].child
	child.Class = class.Judged()
	all, err := events(ctx, tx, learner)
	if err != nil {
		return err
	}
	met, open := child.Arrive(arriving, all)
	for grants, stages := range map[string][]choose.StageID{"met": met, "open": open} {
		for _, stage := range stages {
			if _, err := tx.ExecContext(ctx, `insert into arrival (learner_id, stage, grants) values ($1, $2, $3) on conflict do nothing`, learner, stage, grants); err != nil {
				return err
			}
		}
	}
	return nil
}

// Standing is a child of a class as it stands.
type Standing struct {
	Learner
	ladder.Child
	Revision int         // counts what has changed of the learner
	Away     bool        // it is not here on the day
	Apart    []uuid.UUID // some of those beside whom it is not to sit: of each pair one has the other
}

// stood is a child as it stood at a revision of the learner, but for what belongs to
// the class. Nobody changes it.
type stood struct {
	revision int
	child    ladder.Child
}

// Standings reads how the children who are in a class now stand, by name. Of a child
// of whom nothing is recorded the standings are empty. Who is away is told of a day.
func (s *Store) Standings(ctx context.Context, class Class, day book.Day) ([]Standing, error) {
	var rows []struct {
		Learner
		Revision int    `db:"revision"`
		Away     bool   `db:"away"`
		Apart    []byte `db:"apart"`
	}
	if err := s.db.SelectContext(ctx, &rows, `select learner_id, name, revision,
			exists (select 1 from away where away.class_id = enrolment.class_id and away.learner_id = enrolment.learner_id and day = $2) as away,
			(select json_agg(other) from apart where apart.class_id = enrolment.class_id and one = enrolment.learner_id) as apart from enrolment join learner on learner.id = learner_id
		where class_id = $1 and until is null order by name`, class.ID, day.Time()); err != nil {
		return nil, err
	}
	list := make([]Standing, len(rows))
	var changed []uuid.UUID
	for i, r := range rows {
		list[i] = Standing{Learner: r.Learner, Revision: r.Revision, Away: r.Away}
		if r.Apart != nil {
			if err := json.Unmarshal(r.Apart, &list[i].Apart); err != nil {
				return nil, err
			}
		}
		if known, ok := s.stood.Get(r.ID); !ok || known.revision != r.Revision {
			changed = append(changed, r.ID)
		} else {
			list[i].Child = known.child
		}
	}
	now, err := s.read(ctx, class, changed)
	for i := range list {
		if read, ok := now[list[i].ID]; ok {
			list[i].Revision, list[i].Child = read.revision, read.child
		}
		list[i].Class = class.Judged()
	}
	return list, err
}

// StandOf reads how one learner of a class stands.
func (s *Store) StandOf(ctx context.Context, class Class, learner uuid.UUID) (ladder.Child, error) {
	now, err := s.read(ctx, class, []uuid.UUID{learner})
	child := now[learner].child
	child.Class = class.Judged()
	return child, err
}

// read reads learners as they stand and remembers them.
func (s *Store) read(ctx context.Context, class Class, learners []uuid.UUID) (map[uuid.UUID]stood, error) {
	if len(learners) == 0 {
		return nil, nil
	}
	now, err := readStood(ctx, s.db, class, learners)
	for id, child := range now {
		s.stood.Add(id, child)
	}
	return now, err
}

func readStood(ctx context.Context, db sqlx.QueryerContext, class Class, learners []uuid.UUID) (map[uuid.UUID]stood, error) {
	var rows []struct {
		ID       uuid.UUID `db:"id"`
		Revision int       `db:"revision"`
		Fold     []byte    `db:"fold"`
		Arrivals []byte    `db:"arrivals"`
		Told     string    `db:"told"`
	}
	if err := sqlx.SelectContext(ctx, db, &rows, `select id, revision, fold, told, (select json_agg(json_build_object('stage', stage, 'grants', grants)) from arrival where arrival.learner_id = id) as arrivals
		from learner left join standing on standing.learner_id = id where id = any($1)`, learners); err != nil {
		return nil, err
	}
	all := map[uuid.UUID]stood{}
	for _, r := range rows {
		child := ladder.Child{Standings: ladder.Standings{}, Told: ladder.Told(r.Told), Met: map[choose.StageID]bool{}, Open: map[choose.StageID]bool{}}
		if r.Fold != nil {
			fold, err := ladder.ReadFold(class.Judged(), r.Fold)
			if err != nil {
				return nil, fmt.Errorf("how %v stands: %w", r.ID, err)
			}
			child.Standings, child.Recent = fold.Standings(), fold.Recent()
		}
		var grants []struct {
			Stage  choose.StageID
			Grants string
		}
		if r.Arrivals != nil {
			if err := json.Unmarshal(r.Arrivals, &grants); err != nil {
				return nil, fmt.Errorf("what arrived for %v: %w", r.ID, err)
			}
		}
		for _, g := range grants {
			map[string]map[choose.StageID]bool{"met": child.Met, "open": child.Open}[g.Grants][g.Stage] = true
		}
		all[r.ID] = stood{r.Revision, child}
	}
	return all, nil
}
