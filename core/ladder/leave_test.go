package ladder_test

import (
	"math/rand/v2"
	"slices"
	"testing"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/ladder"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/snake"
)

// worked is a row of answers at one swap in the ones: r is right alone, n right and prompted,
// w wrong alone; small with pieces, C with pieces and column, D drawn; "," is the next day.
func worked(t *testing.T, text string) []ladder.Event {
	t.Helper()
	pool := drawn(t, choose.OneSwapOnes, 30)
	manner, day := book.Pieces, today-20
	var events []ladder.Event
	for _, c := range text {
		switch c {
		case 'P':
			manner = book.Pieces
		case 'C':
			manner = book.PiecesAndColumn
		case 'D':
			manner = book.Drawn
		case ',':
			day++
		case 'r', 'n', 'w', '*':
			o := book.Observation{Task: pool[len(events)%len(pool)], Stage: choose.OneSwapOnes, Manner: manner, Help: book.Alone, Came: book.Typed, Runs: 1, Day: day}
			if o.Answer = o.Task.Result(); c == 'w' {
				o.Answer = "7"
			}
			if c == 'n' {
				o.Help = book.Nudged
			}
			if c == '*' {
				o.Chosen, o.Day, o.Runs = true, today, 2
			}
			events = append(events, ladder.Saw(o))
		}
	}
	return events
}

// The whole way of leaving material: secure with pieces and three alone, one tried drawn, back
// where it was wrong, tried again later.
func TestLeavingMaterial(t *testing.T) {
	secure := "Prrrr,rrrr,"
	for name, c := range map[string]struct {
		worked string
		kind   ladder.StepKind
		manner book.Manner
	}{
		"not secure yet":                          {"Prrrr,r", ladder.GoOn, book.Pieces},
		"secure, the last three alone":            {secure, ladder.Leave, book.Drawn},
		"the last one prompted":                   {secure + "n", "", ""},
		"and two alone since":                     {secure + "n,rr", "", ""},
		"and three alone since":                   {secure + "n,rrr", ladder.Leave, book.Drawn},
		"the last one wrong":                      {secure + "w", "", ""},
		"tried, and right: that manner has begun": {secure + "rDr,", ladder.GoOn, book.Drawn},
		"tried, and wrong: back":                  {secure + "rDw,", ladder.Return, book.PiecesAndColumn},
		"wrong twice: back":                       {secure + "rDww,", ladder.Return, book.PiecesAndColumn},
		"two alone there":                         {secure + "rDw,Crr", ladder.Return, book.PiecesAndColumn},
		"three alone there: tried again":          {secure + "rDw,Crrr", ladder.Leave, book.Drawn},
		"three alone there before it was wrong":   {secure + "Crrr,Dw", ladder.Return, book.PiecesAndColumn},
		"wrong again: back again":                 {secure + "rDw,Crrr,Dw", ladder.Return, book.PiecesAndColumn},
		"wrong, then right: it goes on":           {secure + "rDw,Crrr,Dr", ladder.GoOn, book.Drawn},
		"repeated by choice today: not pushed":    {secure + "*", ladder.LetBe, book.Pieces},
		"it wobbles: back, and nothing is left":   {secure + "www", ladder.GoBack, book.Pieces},
	} {
		t.Run(name, func(t *testing.T) {
			child := ladder.Child{Standings: ladder.Judge(ladder.Class{}, worked(t, c.worked))}
			var found []ladder.NextStep
			for _, s := range child.NextSteps(today) {
				if s.Stage == choose.OneSwapOnes && (s.Manner == book.Drawn || s.Kind != ladder.GoOn || s.Manner == c.manner) {
					found = append(found, s)
				}
			}
			if c.kind == "" {
				if len(found) > 0 {
					t.Errorf("%s %s; want nothing", found[0].Kind, found[0].Manner)
				}
				return
			}
			if len(found) != 1 || found[0].Kind != c.kind || found[0].Manner != c.manner {
				t.Errorf("%d steps: %+v; want %s %s", len(found), found, c.kind, c.manner)
			}
		})
	}
}

// Over seeded histories material is left just where the records say so, and nowhere over a
// wobble; whoever is led back has a wrong answer without pieces and none right alone there.
func TestLeavingRestsOnTheRecords(t *testing.T) {
	seen := map[ladder.StepKind]int{}
	for seed := range uint64(1_000) {
		class, events := seeded(t, seed)
		child := ladder.Child{Class: class, Standings: ladder.Judge(class, events)}
		for _, s := range child.NextSteps(today) {
			if s.Kind != ladder.Leave && s.Kind != ladder.Return {
				continue
			}
			seen[s.Kind]++
			out := ladder.Key{Stage: s.Stage, Manner: s.Manner}
			if s.Kind == ladder.Return {
				out.Manner = s.Lobe.Manner
			}
			if out.Manner.WithMaterial() {
				t.Fatalf("seed %d: %s is with material", seed, out.Manner)
			}
			secure := false
			for _, m := range []book.Manner{book.Pieces, book.PiecesAndColumn} {
				secure = secure || refer(class, events, ladder.Key{Stage: s.Stage, Manner: m}).state == ladder.Secure
			}
			with := refer(class, events, ladder.Key{Stage: s.Stage, Manner: s.Lobe.Manner})
			tried := refer(class, events, out)
			alone, wrong := 0, 0
			for _, o := range tried.own {
				switch {
				case !o.Right():
					wrong++
				case gives(o) == 1 && !aside(o, s.Stage):
					alone++
				}
			}
			switch {
			case !secure:
				t.Fatalf("seed %d: %s, and nothing is secure with pieces", seed, s.Kind)
			case s.Kind == ladder.Leave && (with.inRow < 3 || alone > 0):
				t.Fatalf("seed %d: left after %d in a row, %d alone without", seed, with.inRow, alone)
			case s.Kind == ladder.Return && (wrong == 0 || alone > 0):
				t.Fatalf("seed %d: led back after %d wrong, %d alone", seed, wrong, alone)
			}
			for key, st := range child.Standings {
				if st.State == ladder.Wobbling && (key.Stage == s.Stage || s.Kind == ladder.Leave && ladder.BuildsOn(s.Stage, key.Stage)) {
					t.Fatalf("seed %d: %s at %s over a wobble at %v", seed, s.Kind, s.Stage, key)
				}
			}
		}
	}
	if seen[ladder.Leave] < 3 || seen[ladder.Return] < 20 {
		t.Errorf("seen %v", seen)
	}
}

// A stage without another manner is never left.
func TestSnakesKeepTheirBeads(t *testing.T) {
	rng := rand.New(rand.NewPCG(7, 7))
	pool := drawn(t, snake.First, 20)
	var events []ladder.Event
	for i := range 12 {
		o := book.Observation{Task: pool[rng.IntN(len(pool))], Stage: snake.First, Manner: book.Pieces, Help: book.Alone, Came: book.Typed, Runs: 1, Day: today - 9 + book.Day(i/4)}
		o.Answer = o.Task.Result()
		events = append(events, ladder.Saw(o))
	}
	child := ladder.Child{Standings: ladder.Judge(ladder.Class{}, events)}
	if slices.ContainsFunc(child.NextSteps(today), func(s ladder.NextStep) bool { return s.Kind == ladder.Leave }) {
		t.Error("a snake is to be left")
	}
}

// A child who has worked every kind of swap, on two days, in its own places of problems that
// others worked with it is as secure as one who worked them whole; without one of the kinds,
// or on one day, it is not.
func TestSecureInParts(t *testing.T) {
	for name, c := range map[string]struct {
		parts  []string // the places, problem by problem
		days   int
		secure bool
	}{
		"every kind, on two days":    {[]string{"ones", "tens", "hundreds", "ones", "tens", "hundreds", "ones"}, 2, true},
		"two places at once":         {[]string{"ones tens", "hundreds", "tens", "ones", "hundreds", "ones tens", "ones"}, 2, true},
		"whole":                      {[]string{"", "", "", "", "", "", ""}, 2, true},
		"on one day":                 {[]string{"ones", "tens", "hundreds", "ones", "tens", "hundreds", "ones"}, 1, false},
		"never the hundreds":         {[]string{"ones", "tens", "ones", "tens", "ones", "tens", "ones", "tens"}, 2, false},
		"one fewer":                  {[]string{"ones", "tens", "hundreds", "ones", "tens", "hundreds"}, 2, false},
		"two of them without a swap": {[]string{"ones", "tens", "hundreds", "ones", "tens", "thousands", "thousands"}, 2, false},
		"and two more with one":      {[]string{"ones", "tens", "hundreds", "ones", "tens", "thousands", "thousands", "tens", "hundreds"}, 2, true},
	} {
		t.Run(name, func(t *testing.T) {
			var events []ladder.Event
			for i, part := range c.parts {
				places, err := place.ParseSet(part)
				if err != nil {
					t.Fatal(err)
				}
				p := problem.SumOf(1_199+100*place.Number(i), 2_985) // swaps in the ones, the tens and the hundreds
				events = append(events, ladder.Saw(book.Observation{Task: p.Task(), Stage: choose.SeveralSwaps, Manner: book.Pieces, Help: book.Alone, Came: book.Marked, Runs: 1, Answer: p.Result(), Part: places, Day: today - book.Day(i%c.days)}))
			}
			slices.SortStableFunc(events, func(a, b ladder.Event) int { return int(a.Seen.Day - b.Seen.Day) })
			got := ladder.Judge(ladder.Class{}, events)[ladder.Key{Stage: choose.SeveralSwaps, Manner: book.Pieces}]
			if (got.State == ladder.Secure) != c.secure {
				t.Errorf("%s with %v beads on %d days, %v missing", got.State, got.Beads.Float(), got.Days, got.Missing)
			}
		})
	}
}
