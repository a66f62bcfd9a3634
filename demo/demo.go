// Package demo is the made-up school that a new guide looks round in: a
// village school that sells what its orchard and beehives yield. Every name in
// it is invented.
package demo

import (
	"context"
	"errors"
	"fmt"
	"time"

	"github.com/google/uuid"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/number"
	"vineswap/core/setting"
	"vineswap/core/slip"
	"vineswap/store"
)

// Password is that of every demo account. The demo answers on loopback alone.
const Password = "plums-and-honey"

// Login is one demo account as it is printed.
type Login struct {
	Email, Name, Does string
}

type class struct {
	name     string
	people   []person
	learners []string
	reach    choose.Range          // how far its numbers go
	start    map[ladder.Strand]int // in which strands it works, and how many of their stages the youngest know
	spread   int                   // how many more the oldest know
	digits   int                   // of the longest numbers
	profiles map[string]profile
	told     ladder.Told    // what all children could do when they came
	usual    choose.StageID // what is worked where nothing else is open
	last     choose.StageID // of the lesson that is still to be written up
}

type person struct {
	Login
	role store.Role
}

const zone = "Europe/Vienna"

var school = []class{
	{
		"Orchard room",
		[]person{
			{Login{"hanne@vineswap.test", "Hanne", "leads the Orchard room"}, store.Lead},
			{Login{"tilo@vineswap.test", "Tilo", "assists in the Orchard room"}, store.Assistant},
			{Login{"vera@vineswap.test", "Vera", "looks on in the Orchard room"}, store.Viewer},
		},
		[]string{
			"Ada W.", "Bram D.", "Clio J.", "Esme Q.", "Finn O.", "Greta Z.", "Hugo M.", "Ivo C.", "Jory P.", "Kasper U.", "Lena V.",
			"Lotte G.", "Mina S.", "Noor F.", "Otto K.", "Pia L.", "Rafi N.", "Rowan E.", "Suvi T.", "Teo B.", "Wren A.", "Yusuf A.",
		},
		"1000000", map[ladder.Strand]int{ladder.Joining: 6, ladder.Taking: 4, ladder.Sharing: 1}, 6, 4,
		map[string]profile{
			"Teo B.": {slip: "carries-wrong-digit"}, "Greta Z.": {slip: "drops-new-ten"}, "Lena V.": {slip: "smaller-from-larger"},
			"Yusuf A.": {away: true}, "Esme Q.": {away: true}, "Otto K.": {away: true},
			"Mina S.": {repeats: true}, "Hugo M.": {repeats: true}, "Ada W.": {quick: true}, "Wren A.": {quick: true},
		},
		ladder.ReadsTens, choose.NoSwap, choose.OneSwapOnes,
	},
	{
		"Bee room",
		[]person{{Login{"orla@vineswap.test", "Orla", "leads the Bee room, and the Orchard room too"}, store.Lead}},
		[]string{
			"Alma R.", "Anton V.", "Bea K.", "Cosmo H.", "Dora S.", "Elif T.", "Emil P.", "Frida N.", "Gus L.", "Hedda O.", "Ida W.", "Jonas F.",
			"Kaya M.", "Lio B.", "Malu E.", "Nils C.", "Olive D.", "Pepe G.", "Runa J.", "Samu I.", "Tilda Q.", "Uma X.", "Vito Y.", "Zoe U.",
		},
		"1000", map[ladder.Strand]int{ladder.Places: 3, ladder.Joining: 3, ladder.Taking: 2}, 3, 3,
		map[string]profile{
			"Nils C.": {slip: "writes-both-digits"}, "Bea K.": {slip: "drops-new-ten"}, "Kaya M.": {slip: "smaller-from-larger"},
			"Pepe G.": {away: true}, "Zoe U.": {away: true}, "Dora S.": {repeats: true}, "Emil P.": {repeats: true}, "Uma X.": {quick: true},
		},
		ladder.ReadsTens, choose.NoSwap, choose.OneSwapOnes,
	},
	{
		"Seed room",
		[]person{{Login{"nela@vineswap.test", "Nela", "leads the Seed room, the youngest"}, store.Lead}},
		[]string{
			"Aino B.", "Benno T.", "Carla W.", "Doro M.", "Enno K.", "Fina S.", "Gita L.", "Henk R.", "Ilvi N.",
			"Jule A.", "Kian D.", "Lumi O.", "Merle G.", "Nuri E.", "Ole P.", "Pina V.", "Rufus H.", "Selma J.",
		},
		"100", map[ladder.Strand]int{ladder.Tens: 0, ladder.Joining: 0, ladder.Sharing: 0}, 5, 2,
		map[string]profile{
			"Benno T.": {slip: slip.DigitsReversed}, "Gita L.": {slip: slip.TyForTeen}, "Merle G.": {slip: slip.TenSaidTwice},
			"Rufus H.": {away: true}, "Lumi O.": {away: true}, "Doro M.": {repeats: true}, "Ole P.": {repeats: true}, "Selma J.": {quick: true}, "Aino B.": {quick: true},
		},
		"", number.OneByOne, number.TenAndOnes,
	},
}

// Logins lists the demo accounts.
func Logins() []Login {
	var all []Login
	for _, c := range school {
		for _, p := range c.people {
			all = append(all, p.Login)
		}
	}
	return all
}

// id makes ids that are the same at every loading.
func id(kind, name string) uuid.UUID {
	return uuid.NewSHA1(uuid.NameSpaceURL, []byte("vineswap-demo/"+kind+"/"+name))
}

// Load writes the school into an empty store; hash turns the password into what
// is kept. A store that has the school already is left as it is.
func Load(ctx context.Context, s *store.Store, hash func(string) (string, error), today time.Time) error {
	switch _, err := s.AccountByEmail(ctx, school[0].people[0].Email); {
	case err == nil:
		return nil
	case !errors.Is(err, store.ErrNone):
		return err
	}
	password, err := hash(Password)
	if err != nil {
		return err
	}
	for _, c := range school {
		if err := load(ctx, s, c, password, today); err != nil {
			return fmt.Errorf("the demo school: %w", err)
		}
	}
	// Whoever leads both rooms can move a child from one to the other.
	return s.Join(ctx, id("account", school[1].people[0].Email), id("class", school[0].name), store.Lead)
}

// weeksBack is since when the children are enrolled.
const weeksBack = 8

func load(ctx context.Context, s *store.Store, c class, password string, now time.Time) error {
	at, err := time.LoadLocation(zone)
	if err != nil {
		return err
	}
	now = now.In(at)
	made := store.Class{ID: id("class", c.name), Name: c.name, Zone: zone, Settings: setting.Default()}
	made.Settings.Range = c.reach
	if err := s.AddClass(ctx, made); err != nil {
		return err
	}
	var learners []store.Learner
	for _, name := range c.learners {
		learners = append(learners, store.Learner{ID: id("learner", name), Name: name, Told: c.told})
	}
	since := book.DayOf(now) - 7*weeksBack
	if err := s.AddLearners(ctx, made.ID, learners, since.Time()); err != nil {
		return err
	}
	for _, p := range c.people {
		a := store.Account{ID: id("account", p.Email), Email: p.Email, Name: p.Name, Password: password}
		if err := errors.Join(s.AddAccount(ctx, a), s.Join(ctx, a.ID, made.ID, p.role)); err != nil {
			return err
		}
	}
	return keep(ctx, s, history(c, learners, made.ID, id("account", c.people[0].Email), now))
}

// keep writes the eight weeks, and leaves one lesson of the last morning to be
// written up.
func keep(ctx context.Context, s *store.Store, y *year) error {
	for _, l := range y.lessons {
		if err := s.AddLesson(ctx, l); err != nil {
			return err
		}
	}
	if err := s.RecordAll(ctx, y.seen); err != nil {
		return err
	}
	for _, o := range y.judged {
		if err := s.Overrule(ctx, o); err != nil {
			return err
		}
	}
	if err := s.AddLesson(ctx, y.unwritten()); err != nil {
		return err
	}
	if !y.older() {
		return nil
	}
	if err := keepWhole(ctx, s, y); err != nil {
		return err
	}
	return keepPaper(ctx, s, y)
}
