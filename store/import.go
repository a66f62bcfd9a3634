package store

import (
	"bytes"
	"context"
	"errors"
	"fmt"
	"iter"
	"maps"
	"slices"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"vineswap/core/book"
	"vineswap/core/ladder"
)

// Import is a file of answers that is being read in.
type Import struct {
	ID        uuid.UUID `db:"id"`
	ClassID   uuid.UUID `db:"class_id"`
	AccountID uuid.UUID `db:"account_id"`
	Bytes     int       `db:"bytes"` // of the whole file
}

// importKept is for how many hours a file lies here that nobody has taken over.
const importKept = 24

// BeginImport makes room for a file; what the account was reading in in this class before is
// given up, and so is what anybody left lying for a day. An id that is used gives ErrTaken.
func (s *Store) BeginImport(ctx context.Context, i Import) error {
	return s.inTx(ctx, func(tx *sqlx.Tx) error {
		if _, err := tx.ExecContext(ctx, `delete from import where class_id = $1 and account_id = $2 and id <> $3 or made_at < now() - make_interval(hours => $4)`, i.ClassID, i.AccountID, i.ID, importKept); err != nil {
			return err
		}
		res, err := tx.NamedExecContext(ctx, `insert into import (id, class_id, account_id, bytes) values (:id, :class_id, :account_id, :bytes) on conflict (id) do nothing`, i)
		if err != nil {
			return err
		}
		if n, err := res.RowsAffected(); err != nil || n == 1 {
			return err
		}
		var same bool
		err = tx.GetContext(ctx, &same, `select class_id = $2 and account_id = $3 and bytes = $4 from import where id = $1`, i.ID, i.ClassID, i.AccountID, i.Bytes)
		if err == nil && !same {
			return fmt.Errorf("%w: a file with this id", ErrTaken)
		}
		return err
	})
}

// AddImportPart keeps a part of a file; the same part again replaces it. ErrNone where the
// account reads no such file in.
func (s *Store) AddImportPart(ctx context.Context, i Import, nth int, data []byte) error {
	res, err := s.db.ExecContext(ctx, `insert into import_part (import_id, nth, data) select id, $4, $5 from import where id = $1 and class_id = $2 and account_id = $3
		on conflict (import_id, nth) do update set data = excluded.data`, i.ID, i.ClassID, i.AccountID, nth, data)
	if err != nil {
		return err
	}
	return oneRow(res)
}

// ErrPart is the error of a file that is not here whole.
var ErrPart = errors.New("a part of the file is missing")

// ImportFile is a whole file that is being read in; ErrNone where the account reads no such
// file in, ErrPart where parts are missing.
func (s *Store) ImportFile(ctx context.Context, i Import) ([]byte, error) {
	var size int
	if err := s.db.GetContext(ctx, &size, `select bytes from import where id = $1 and class_id = $2 and account_id = $3`, i.ID, i.ClassID, i.AccountID); err != nil {
		return nil, none(err)
	}
	var parts [][]byte
	if err := s.db.SelectContext(ctx, &parts, `select data from import_part where import_id = $1 order by nth`, i.ID); err != nil {
		return nil, err
	}
	file := bytes.Join(parts, nil)
	if len(file) != size {
		return nil, ErrPart
	}
	return file, nil
}

// DropImport gives a file up. One that is not there is no error.
func (s *Store) DropImport(ctx context.Context, i Import) error {
	_, err := s.db.ExecContext(ctx, `delete from import where id = $1 and class_id = $2 and account_id = $3`, i.ID, i.ClassID, i.AccountID)
	return err
}

// Answered is an answer that stands in the book: by it an answer that is read in again is known.
type Answered struct {
	LearnerID uuid.UUID
	Task      string // its key
	Answer    string
	Day       book.Day
}

// AllAnswered lists the answers of learners that stand.
func (s *Store) AllAnswered(ctx context.Context, learners []uuid.UUID) (map[Answered]bool, error) {
	all, err := observations(ctx, s.db, `where o.learner_id = any($1)`, learners)
	made := make(map[Answered]bool, len(all))
	for _, o := range all {
		if o.Current && !o.Withdrawn {
			made[Answered{o.LearnerID, o.Task.Key(), o.Answer, o.Day}] = true
		}
	}
	return made, err
}

// TakeOver keeps what a file says of children of a class, all of it or nothing, and gives the
// file up. Its records come part by part, from the beginning again where the transaction has to
// begin again. How many are kept is told on the way. An error, also one that comes instead of a
// part, or the end of the context, leaves everything as it was.
//
// A part is written while the next is read, and how the children stand by it all is worked out
// beside the writing. Only then are they held, so that other records of theirs wait for a moment
// and not for the whole file; a child of whom something was recorded meanwhile is judged once
// more.
func (s *Store) TakeOver(ctx context.Context, i Import, read iter.Seq2[[]Observation, error], done func(int)) error {
	return s.inCopyingTx(ctx, func(tx *sqlx.Tx, rows copyRows) error {
		res, err := tx.ExecContext(ctx, `delete from import where id = $1 and class_id = $2 and account_id = $3`, i.ID, i.ClassID, i.AccountID)
		if err == nil {
			err = oneRow(res)
		}
		if err != nil {
			return err
		}
		look, stop := context.WithCancel(ctx)
		defer stop()
		parts, judged := make(chan []Observation, ahead), make(chan foreseen, 1)
		go func() { judged <- s.readAhead(look, i.ClassID, read, parts) }()
		kept := 0
		for part := range parts {
			if err == nil {
				err = insertObservations(ctx, rows, part, func(n int) { done(kept + n) })
			}
			if kept += len(part); err != nil {
				stop() // the rest is not read
			}
		}
		f := <-judged
		if err != nil {
			return err
		}
		return f.keep(ctx, tx, i.ClassID)
	})
}

// ahead is how many parts of a file are read ahead of what is written.
const ahead = 2

// readAhead reads the parts of a file, hands them on, and then works out how the children will
// stand.
func (s *Store) readAhead(ctx context.Context, class uuid.UUID, read iter.Seq2[[]Observation, error], parts chan<- []Observation) foreseen {
	all, err := s.handOn(ctx, read, parts)
	if err != nil {
		return foreseen{err: err}
	}
	return s.foresee(ctx, class, all)
}

// handOn gives what is read its places in the order of events.
func (s *Store) handOn(ctx context.Context, read iter.Seq2[[]Observation, error], parts chan<- []Observation) (all [][]Observation, err error) {
	defer close(parts)
	for part, err := range read {
		if err == nil {
			part, err = inOrder(ctx, s.db, part)
		}
		if err != nil {
			return nil, err
		}
		all = append(all, part)
		select {
		case parts <- part:
		case <-ctx.Done():
			return nil, ctx.Err()
		}
	}
	return all, nil
}

// foreseen is how children will stand once some records are kept.
type foreseen struct {
	weeks    []book.Week // in which they were made
	revision int         // of the class's settings
	children map[uuid.UUID]foreseenChild
	err      error
}

type foreseenChild struct {
	revision int // of the learner, by which it is known whether anything came between
	fold     []byte
}

// foresee works out how the children of some records will stand, and where a week among those
// that lie behind is new, all children of the class.
func (s *Store) foresee(ctx context.Context, classID uuid.UUID, parts [][]Observation) (f foreseen) {
	class, err := s.Class(ctx, classID)
	if err != nil {
		return foreseen{err: err}
	}
	f = foreseen{revision: class.Revision, children: map[uuid.UUID]foreseenChild{}}
	count, more := map[uuid.UUID]int{}, map[uuid.UUID][]Observation{}
	for _, part := range parts {
		for i := range part {
			count[part[i].LearnerID]++
		}
	}
	for id, n := range count {
		more[id] = make([]Observation, 0, n)
	}
	for _, part := range parts {
		for _, o := range part {
			more[o.LearnerID] = append(more[o.LearnerID], o)
			if week := o.Day.Week(); !slices.Contains(f.weeks, week) {
				f.weeks = append(f.weeks, week)
			}
		}
	}
	last := book.Week(0)
	if len(class.Weeks) > 0 {
		last = slices.Max(class.Weeks)
	}
	late := false
	for _, week := range f.weeks {
		if !slices.Contains(class.Weeks, week) {
			class.Weeks = append(class.Weeks, week)
			late = late || week < last
		}
	}
	slices.Sort(class.Weeks)
	ids := slices.Collect(maps.Keys(more))
	if late || len(f.weeks) > 1 {
		learners, err := s.Learners(ctx, classID)
		if err != nil {
			return foreseen{err: err}
		}
		for _, l := range learners {
			if more[l.ID] == nil {
				ids = append(ids, l.ID)
			}
		}
	}
	for _, id := range ids {
		var child foreseenChild
		if err := s.db.GetContext(ctx, &child.revision, `select revision from learner where id = $1`, id); err != nil {
			return foreseen{err: none(err)}
		}
		all, err := eventsWith(ctx, s.db, id, more[id])
		if err != nil {
			return foreseen{err: err}
		}
		fold := ladder.NewFold(class.Judged())
		for _, e := range all {
			fold.Take(e)
		}
		if child.fold, err = fold.MarshalBinary(); err != nil {
			return foreseen{err: err}
		}
		f.children[id] = child
	}
	return f
}

// keep holds the children and keeps how they stand.
func (f foreseen) keep(ctx context.Context, tx *sqlx.Tx, class uuid.UUID) error {
	if f.err != nil {
		return f.err
	}
	ids := slices.SortedFunc(maps.Keys(f.children), func(a, b uuid.UUID) int { return bytes.Compare(a[:], b[:]) })
	var anew []uuid.UUID
	for _, id := range ids {
		revision, err := hold(ctx, tx, id, 0)
		if err != nil {
			return err
		}
		if revision != f.children[id].revision+1 {
			anew = append(anew, id)
		}
	}
	for _, week := range f.weeks {
		if _, err := keepWeek(ctx, tx, class, week); err != nil {
			return err
		}
	}
	var revision int
	if err := tx.GetContext(ctx, &revision, `select revision from class where id = $1`, class); err != nil {
		return none(err)
	}
	if revision != f.revision {
		anew = ids
	}
	if _, err := tx.ExecContext(ctx, `update learner set records = (select count(*) from observation where learner_id = learner.id) where id = any($1)`, ids); err != nil {
		return err
	}
	for _, id := range ids {
		if !slices.Contains(anew, id) {
			if _, err := tx.ExecContext(ctx, keepFold, id, f.children[id].fold); err != nil {
				return err
			}
			continue
		}
		if err := foldAnew(ctx, tx, id); err != nil {
			return err
		}
	}
	return nil
}
