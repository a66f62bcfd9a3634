package demo_test

import (
	"context"
	"os"
	"testing"
	"time"

	"vineswap/core/book"
	"vineswap/core/ladder"
	"vineswap/demo"
	"vineswap/pgtest"
	"vineswap/store"
)

func TestMain(m *testing.M) { os.Exit(pgtest.Main(m)) }

func plain(password string) (string, error) { return password, nil }

// The school is loaded once for both: making eight weeks up takes a while.
func TestTheSchool(t *testing.T) {
	s := pgtest.Open(t, pgtest.URL(t))
	now := time.Date(2026, 11, 25, 9, 0, 0, 0, time.UTC)
	for range 2 {
		if err := demo.Load(context.Background(), s, plain, now); err != nil {
			t.Fatal(err)
		}
	}
	t.Run("loaded once and never again", func(t *testing.T) { loadedOnce(t, s) })
	t.Run("is alive", func(t *testing.T) { isAlive(t, s, now) })
}

func loadedOnce(t *testing.T, s *store.Store) {
	ctx := context.Background()
	roles := map[string]store.Role{}
	for _, l := range demo.Logins() {
		a, err := s.AccountByEmail(ctx, l.Email)
		if err != nil || a.Password != demo.Password {
			t.Fatalf("%s: %v", l.Email, err)
		}
		classes, err := s.Memberships(ctx, a.ID)
		if rooms := map[string]int{"Orla": 2}[l.Name]; err != nil || len(classes) != max(1, rooms) {
			t.Fatalf("%s belongs to %v, %v", l.Email, classes, err)
		}
		roles[l.Name] = classes[0].Role
		learners, err := s.Learners(ctx, classes[0].ClassID)
		if want := map[string]int{"Orchard room": 22, "Bee room": 24, "Seed room": 18}[classes[0].Class]; err != nil || len(learners) != want {
			t.Errorf("%s has %d learners, %v", classes[0].Class, len(learners), err)
		}
	}
	if len(roles) != 5 || roles["Nela"] != store.Lead || roles["Hanne"] != store.Lead || roles["Tilo"] != store.Assistant || roles["Vera"] != store.Viewer || roles["Orla"] != store.Lead {
		t.Errorf("roles %v", roles)
	}
}

// In each class there are children who wobble, wait, are ready, repeat by choice
// and are to be checked again; what they worked is real, and none of it lies
// ahead of the day of loading.
func isAlive(t *testing.T, s *store.Store, now time.Time) {
	ctx := context.Background()
	today := book.DayOf(now)
	for _, email := range []string{"hanne@vineswap.test", "orla@vineswap.test", "nela@vineswap.test"} {
		a, err := s.AccountByEmail(ctx, email)
		if err != nil {
			t.Fatal(err)
		}
		classes, err := s.Memberships(ctx, a.ID)
		if err != nil {
			t.Fatal(err)
		}
		class, err := s.Class(ctx, classes[0].ClassID)
		if err != nil {
			t.Fatal(err)
		}
		all, err := s.Standings(ctx, class, 0)
		if err != nil {
			t.Fatal(err)
		}
		has := map[string]int{}
		newest := book.Day(0)
		for _, child := range all {
			learner := child.ID
			last, _ := child.LastSeen()
			newest = max(newest, last)
			if today-last > 14 {
				has["waits"]++
			}
			if _, _, repeats := child.Repeats(today); repeats {
				has["repeats"]++
			}
			for _, strand := range ladder.Strands() {
				for _, leaf := range child.Vine(strand, today) {
					has[string(leaf.State)]++
					if leaf.Explained {
						has["explained"]++
					}
				}
			}
			seen, err := s.Observations(ctx, learner)
			if err != nil || len(seen) < 30 {
				t.Errorf("%d records, %v", len(seen), err)
			}
			for _, o := range seen {
				if err := o.Valid(today); err != nil || o.RecordedAt.After(now) || o.Day < today-56 {
					t.Errorf("%s %v: %v", o.Day, o.Task, err)
				}
				if counts := ladder.Credit(o.Task, o.Stage); counts != o.Stage {
					t.Errorf("%v was chosen for %s and counts for %s", o.Task, o.Stage, counts)
				}
				if o.Replaces.Valid {
					has["corrected"]++
				}
			}
		}
		for _, child := range all {
			for _, standing := range child.Standings {
				has["lobes "+string(standing.State)]++
			}
		}
		t.Logf("%s: %v", classes[0].Class, has)
		for what, least := range map[string]int{"waits": 2, "repeats": 1, "explained": 4, "corrected": 3, "wobbling": 3, "ready": 5, "secure": 40, "under-way": 10, "check-again": 4} {
			if has[what] < least {
				t.Errorf("%s: %d times %s, wanted %d", classes[0].Class, has[what], what, least)
			}
		}
		if classes[0].Class == "Orchard room" && has["passed"] < 4 {
			t.Errorf("%d stages are passed by", has["passed"])
		}
		if newest != today {
			t.Errorf("%s: the newest record is of %v", classes[0].Class, newest)
		}
		if waits, err := s.Unwritten(ctx, classes[0].ClassID, 100); err != nil || len(waits) != 2 {
			t.Errorf("%d to be written up, %v", len(waits), err)
		}
	}
}
