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
	"vineswap/core/setting"
)

// keepWeek notes that the class recorded something in the week of a record; late
// tells that the week is new and lies before others.
func keepWeek(ctx context.Context, tx *sqlx.Tx, o Observation) (late bool, err error) {
	res, err := tx.ExecContext(ctx, `insert into school_week (class_id, week) values ($1, $2) on conflict do nothing`, o.ClassID, o.Day.Week())
	if err != nil {
		return false, err
	}
	if n, err := res.RowsAffected(); err != nil || n == 0 {
		return false, err
	}
	err = tx.GetContext(ctx, &late, `select exists (select 1 from school_week where class_id = $1 and week > $2)`, o.ClassID, o.Day.Week())
	return late, err
}

// judgedIn reads what of a class bears on judging.
func judgedIn(ctx context.Context, db sqlx.QueryerContext, class uuid.UUID) (ladder.Class, error) {
	var settings []byte
	if err := sqlx.GetContext(ctx, db, &settings, `select settings from class where id = $1`, class); err != nil {
		return ladder.Class{}, none(err)
	}
	set, err := setting.Read(settings)
	if err != nil {
		return ladder.Class{}, err
	}
	out := ladder.Class{Limit: set.Range.Limit()}
	return out, sqlx.SelectContext(ctx, db, &out.Weeks, `select week from school_week where class_id = $1 order by week`, class)
}

// classOf is the class that a learner is in, or was in last.
func classOf(ctx context.Context, db sqlx.QueryerContext, learner uuid.UUID) (class uuid.UUID, err error) {
	err = sqlx.GetContext(ctx, db, &class, `select class_id from enrolment where learner_id = $1 order by until is null desc, since desc, until desc limit 1`, learner)
	return class, none(err)
}

// events reads all that bears on how a learner stands, in the order in which it
// happened.
func events(ctx context.Context, db sqlx.QueryerContext, learner uuid.UUID) ([]ladder.Event, error) {
	seen, err := observations(ctx, db, `where o.learner_id = $1 order by o.seq`, learner)
	if err != nil {
		return nil, err
	}
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

// fold judges all that is recorded of a learner and keeps how it stands.
func fold(ctx context.Context, tx *sqlx.Tx, learner uuid.UUID) error {
	class, err := classOf(ctx, tx, learner)
	if err != nil {
		return err
	}
	of, err := judgedIn(ctx, tx, class)
	if err != nil {
		return err
	}
	all, err := events(ctx, tx, learner)
	if err != nil {
		return err
	}
	return keepStandings(ctx, tx, learner, ladder.Judge(of, all))
}

func keepStandings(ctx context.Context, tx *sqlx.Tx, learner uuid.UUID, standings ladder.Standings) error {
	type row struct {
		Stage    choose.StageID  `json:"stage"`
		Manner   book.Manner     `json:"manner"`
		State    ladder.State    `json:"state"`
		Standing ladder.Standing `json:"standing"`
	}
	rows := []row{}
	for key, standing := range standings {
		rows = append(rows, row{key.Stage, key.Manner, standing.State, standing})
	}
	data, err := json.Marshal(rows)
	if err != nil {
		return err
	}
	if _, err := tx.ExecContext(ctx, `delete from standing where learner_id = $1`, learner); err != nil {
		return err
	}
	_, err = tx.ExecContext(ctx, `insert into standing (learner_id, stage, manner, state, standing)
		select $1, stage, manner, state, standing from jsonb_to_recordset($2) as r (stage text, manner text, state text, standing jsonb)`, learner, string(data))
	return err
}

// foldClass judges all children who are in a class anew.
func foldClass(ctx context.Context, tx *sqlx.Tx, class uuid.UUID) error {
	var ids []uuid.UUID
	if err := tx.SelectContext(ctx, &ids, `select id from learner where id in (select learner_id from enrolment where class_id = $1 and until is null) order by id for no key update`, class); err != nil {
		return err
	}
	for _, id := range ids {
		if err := fold(ctx, tx, id); err != nil {
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
			return fold(ctx, tx, id)
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
	if err := fold(ctx, tx, learner); err != nil {
		return err
	}
	class, err := classOf(ctx, tx, learner)
	if err != nil {
		return err
	}
	_, children, err := stands(ctx, tx, class, `= $1`, learner)
	if err != nil {
		return err
	}
	all, err := events(ctx, tx, learner)
	if err != nil {
		return err
	}
	met, open := children[learner].Arrive(arriving, all)
	for grants, stages := range map[string][]choose.StageID{"met": met, "open": open} {
		for _, stage := range stages {
			if _, err := tx.ExecContext(ctx, `insert into arrival (learner_id, stage, grants) values ($1, $2, $3) on conflict do nothing`, learner, stage, grants); err != nil {
				return err
			}
		}
	}
	return nil
}

// Stands reads how the children who are in a class now stand, with what of the
// class bears on it. A child of whom nothing is recorded has no standings.
func (s *Store) Stands(ctx context.Context, class uuid.UUID) (ladder.Class, map[uuid.UUID]ladder.Child, error) {
	return stands(ctx, s.db, class, `in (select learner_id from enrolment where class_id = $1 and until is null)`, class)
}

// StandOf reads how one learner of a class stands.
func (s *Store) StandOf(ctx context.Context, class, learner uuid.UUID) (ladder.Child, error) {
	of, children, err := stands(ctx, s.db, class, `= $1`, learner)
	child, known := children[learner]
	if !known {
		child = ladder.Child{Standings: ladder.Standings{}, Class: of}
	}
	return child, err
}

func stands(ctx context.Context, db sqlx.QueryerContext, class uuid.UUID, who string, arg uuid.UUID) (ladder.Class, map[uuid.UUID]ladder.Child, error) {
	of, err := judgedIn(ctx, db, class)
	if err != nil {
		return of, nil, err
	}
	all := map[uuid.UUID]ladder.Child{}
	child := func(id uuid.UUID) ladder.Child {
		if c, known := all[id]; known {
			return c
		}
		all[id] = ladder.Child{Standings: ladder.Standings{}, Class: of, Met: map[choose.StageID]bool{}, Open: map[choose.StageID]bool{}}
		return all[id]
	}
	var rows []struct {
		LearnerID uuid.UUID      `db:"learner_id"`
		Stage     choose.StageID `db:"stage"`
		Manner    book.Manner    `db:"manner"`
		Standing  []byte         `db:"standing"`
	}
	if err := sqlx.SelectContext(ctx, db, &rows, `select learner_id, stage, manner, standing from standing where learner_id `+who, arg); err != nil {
		return of, nil, err
	}
	for _, r := range rows {
		var standing ladder.Standing
		if err := json.Unmarshal(r.Standing, &standing); err != nil {
			return of, nil, fmt.Errorf("standing of %v: %w", r.LearnerID, err)
		}
		child(r.LearnerID).Standings[ladder.Key{Stage: r.Stage, Manner: r.Manner}] = standing
	}
	var grants []struct {
		LearnerID uuid.UUID      `db:"learner_id"`
		Stage     choose.StageID `db:"stage"`
		Grants    string         `db:"grants"`
	}
	if err := sqlx.SelectContext(ctx, db, &grants, `select learner_id, stage, grants from arrival where learner_id `+who, arg); err != nil {
		return of, nil, err
	}
	for _, g := range grants {
		map[string]map[choose.StageID]bool{"met": child(g.LearnerID).Met, "open": child(g.LearnerID).Open}[g.Grants][g.Stage] = true
	}
	return of, all, nil
}
