package demo_test

import (
	"context"
	"os"
	"testing"
	"time"

	"vineswap/demo"
	"vineswap/pgtest"
	"vineswap/store"
)

func TestMain(m *testing.M) { os.Exit(pgtest.Main(m)) }

func plain(password string) (string, error) { return password, nil }

func TestLoadOnceAndNeverAgain(t *testing.T) {
	ctx := context.Background()
	s := pgtest.Open(t, pgtest.URL(t))
	today := time.Date(2026, 11, 25, 0, 0, 0, 0, time.UTC)
	for range 2 {
		if err := demo.Load(ctx, s, plain, today); err != nil {
			t.Fatal(err)
		}
	}
	roles := map[string]store.Role{}
	for _, l := range demo.Logins() {
		a, err := s.AccountByEmail(ctx, l.Email)
		if err != nil || a.Password != demo.Password {
			t.Fatalf("%s: %v", l.Email, err)
		}
		classes, err := s.Memberships(ctx, a.ID)
		if err != nil || len(classes) != 1 {
			t.Fatalf("%s belongs to %v, %v", l.Email, classes, err)
		}
		roles[l.Name] = classes[0].Role
		learners, err := s.Learners(ctx, classes[0].ClassID)
		if want := map[string]int{"Orchard room": 22, "Bee room": 24}[classes[0].Class]; err != nil || len(learners) != want {
			t.Errorf("%s has %d learners, %v", classes[0].Class, len(learners), err)
		}
	}
	if len(roles) != 4 || roles["Hanne"] != store.Lead || roles["Tilo"] != store.Assistant || roles["Vera"] != store.Viewer || roles["Orla"] != store.Lead {
		t.Errorf("roles %v", roles)
	}
}
