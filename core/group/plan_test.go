package group_test

import (
	"fmt"
	"math/rand/v2"
	"slices"
	"testing"

	"vineswap/core/book"
	"vineswap/core/group"
	"vineswap/core/ladder"
)

// madeUp is a class of made-up children, with some who are not to sit together.
func madeUp(rng *rand.Rand, size int) ([]group.Child, []group.Pair) {
	states := []ladder.State{ladder.Secure, ladder.Secure, ladder.UnderWay, ladder.Wobbling, ladder.Shown}
	children := make([]group.Child, size)
	for i := range children {
		s := ladder.Standings{}
		told := []ladder.Told{"", ladder.CountsToTen, ladder.ReadsTens, ladder.SwapsAlready}[rng.IntN(4)]
		for _, strand := range ladder.Strands() {
			for _, stage := range ladder.Stages(strand) {
				for _, m := range stage.Manners {
					if rng.IntN(12) > 0 {
						continue
					}
					ago := book.Day(rng.IntN(60))
					st := ladder.Standing{State: states[rng.IntN(len(states))], Last: today - ago, Near: today - ago, Used: today - ago, Since: today - ago, Alone: 4, Right: 4, Tried: 5, Days: 2, InRow: rng.IntN(5)}
					if ago == 0 && rng.IntN(3) == 0 {
						st.Chosen, st.ChosenOn = 2, today
					}
					s[ladder.Key{Stage: stage.ID, Manner: m}] = st
				}
			}
		}
		children[i] = group.Child{ID: fmt.Sprint("child-", i), Name: fmt.Sprint("Child ", i), Child: ladder.Child{Standings: s, Class: school, Told: told}.On(today)}
	}
	var apart []group.Pair
	for range size / 4 {
		apart = append(apart, group.Pair{children[rng.IntN(size)].ID, children[rng.IntN(size)].ID})
	}
	return children, apart
}

// In any class nobody sits twice or beside one from whom it is kept apart, each sits at a
// step that is its own next one, nobody at another stage while one is to be looked at again,
// and there is a lesson as soon as anybody has a step.
func TestMeetingsKeepTheirRules(t *testing.T) {
	rng := rand.New(rand.NewPCG(18, 1))
	sizes := map[int]int{}
	for n := range 1_000 {
		children, apart := madeUp(rng, 1+n%20)
		const seats = 4
		list := group.Meetings(children, group.Day{Today: today, Seats: seats, Most: 3, Apart: apart})
		looked := map[string]group.Pressing{}
		for _, p := range group.LookAgain(children, len(children), today) {
			looked[p.ID] = p
		}
		sat := map[string]bool{}
		for _, m := range list {
			sizes[len(m.Seats)]++
			if len(m.Seats) == 0 || len(m.Seats) > seats {
				t.Fatalf("%d sit at %v", len(m.Seats), m.Key)
			}
			for i, s := range m.Seats {
				if sat[s.ID] {
					t.Fatalf("%s sits twice", s.Name)
				}
				sat[s.ID] = true
				for _, other := range m.Seats[:i] {
					if slices.Contains(apart, group.Pair{s.ID, other.ID}) || slices.Contains(apart, group.Pair{other.ID, s.ID}) {
						t.Fatalf("%s sits beside %s", s.Name, other.Name)
					}
				}
				if s.Step.Stage != m.Stage || s.Step.Manner != m.Manner {
					t.Fatalf("%s sits at %v for %v", s.Name, m.Kind, s.Step)
				}
				own := slices.ContainsFunc(s.NextSteps(today), func(step ladder.NextStep) bool {
					return step.Kind == s.Step.Kind && step.Stage == m.Stage && step.Manner == m.Manner && m.Leaving == (step.Kind == ladder.Leave)
				})
				if s.Step.Kind == ladder.KeepUp {
					own = s.Standings[m.Key].State == ladder.Secure
				}
				if !own {
					t.Fatalf("%s has no step %s at %v", s.Name, s.Step.Kind, m.Key)
				}
				if p, is := looked[s.ID]; is && p.Stage != m.Stage {
					t.Fatalf("%s sits at %s, and is to be looked at again at %s", s.Name, m.Stage, p.Stage)
				}
				last, seen := s.LastSeen()
				if s.Never == seen || seen && s.Days != last.SchoolDays(today) {
					t.Fatalf("%s waited %d days, never %t", s.Name, s.Days, s.Never)
				}
			}
		}
		if n%20 > 0 {
			continue
		}
		again := group.Meetings(children, group.Day{Today: today, Seats: seats, Most: 3, Apart: apart})
		if fmt.Sprint(again) != fmt.Sprint(list) {
			t.Fatal("asked again, other lessons are suggested")
		}
	}
	if sizes[2] == 0 || sizes[3] == 0 || sizes[4] == 0 {
		t.Errorf("lessons by their size: %v", sizes)
	}
}

// What was put off on an earlier day comes first, for those of its children whose step it is
// still; what was put off today comes not again to them; nothing of it makes anybody sit twice
// or beside one from whom it is kept apart.
func TestPutOffLessonsReturn(t *testing.T) {
	rng := rand.New(rand.NewPCG(18, 5))
	again, gone := 0, 0
	for n := range 400 {
		children, apart := madeUp(rng, 2+n%12)
		day := group.Day{Today: today, Seats: 4, Most: 3, Apart: apart}
		list := group.Meetings(children, day)
		if len(list) == 0 {
			continue
		}
		first := list[0]
		put := group.PutOff{Kind: first.Kind, On: today, Why: group.NoTime}
		for _, s := range first.Seats {
			put.Children = append(put.Children, s.ID)
		}
		day.Off = []group.PutOff{put}
		for _, m := range group.Meetings(children, day) {
			for _, s := range m.Seats {
				if m.Kind == first.Kind && slices.Contains(put.Children, s.ID) {
					t.Fatalf("class %d: %s is suggested again for what was put off today", n, s.Name)
				}
			}
		}
		gone++
		for _, ago := range []int{0, 4, 13, 19} {
			day.Off[0].On = today - book.Day(1+ago)
			then := group.Meetings(children, day)
			late := day.Off[0].On.SchoolDays(today) > 10
			if late == (then[0].Off != nil) {
				t.Fatalf("class %d, put off %d days ago: %+v", n, 1+ago, then[0].Off)
			}
			if late {
				continue
			}
			again++
			if then[0].Kind != first.Kind || len(then[0].Seats) == 0 || len(then) > 3 {
				t.Fatalf("class %d: %v comes first", n, then[0].Kind)
			}
			sat := map[string]bool{}
			for _, m := range then {
				if clash(m.Seats, apart) {
					t.Fatalf("class %d: two sit together who are not to", n)
				}
				for _, s := range m.Seats {
					if sat[s.ID] || m.Off != nil && !slices.Contains(put.Children, s.ID) {
						t.Fatalf("class %d: %s at %v", n, s.Name, m.Kind)
					}
					sat[s.ID] = true
				}
			}
		}
		// Whoever is not here, or has another step by now, sits not there.
		if len(first.Seats) > 1 {
			day.Off[0].On = today - 1
			rest := slices.DeleteFunc(slices.Clone(children), func(c group.Child) bool { return c.ID == first.Seats[0].ID })
			if then := group.Meetings(rest, day); then[0].Off == nil || len(then[0].Seats) != len(first.Seats)-1 {
				t.Fatalf("class %d: without one of them %+v", n, then[0])
			}
		}
	}
	if again == 0 || gone == 0 {
		t.Errorf("%d returned, %d gone", again, gone)
	}
}

// The one lesson of a day is the one that presses most of all that there could be: no set of
// children at any stage in any manner, found by trying, presses more.
func TestTheOneLessonPressesMost(t *testing.T) {
	rng := rand.New(rand.NewPCG(18, 2))
	weight := map[ladder.StepKind]float64{ladder.GoBack: 4, ladder.Begin: 3, ladder.GoOn: 3, ladder.Return: 3.25, ladder.Leave: 3.25, ladder.LookAgain: 2, ladder.LetBe: 1, ladder.KeepUp: 1}
	presses := func(s group.Seat) float64 {
		days := float64(min(s.Days, 30) + 1)
		return weight[s.Step.Kind] * days * days
	}
	for n := range 60 {
		children, apart := madeUp(rng, 2+n%8)
		const seats = 3
		list := group.Meetings(children, group.Day{Today: today, Seats: seats, Most: 1, Apart: apart})
		got := 0.0
		for _, m := range list {
			for _, s := range m.Seats {
				got += presses(s)
			}
		}
		// Each child alone shows what it could sit at; with one seat for each, all are seen.
		offers := map[group.Kind][]group.Seat{}
		for _, c := range children {
			for _, m := range alone(c) {
				offers[m.Kind] = append(offers[m.Kind], m.Seats...)
			}
		}
		best := 0.0
		for _, list := range offers {
			for set := range 1 << len(list) {
				sum, sits := 0.0, []group.Seat{}
				for i, s := range list {
					if set>>i&1 == 1 {
						sits = append(sits, s)
						sum += presses(s)
					}
				}
				if len(sits) <= seats && sum > best && !clash(sits, apart) {
					best = sum
				}
			}
		}
		if got != best {
			t.Fatalf("class %d: the lesson presses %.0f, another %.0f", n, got, best)
		}
	}
}

// alone are all lessons that a child could sit at by itself.
func alone(c group.Child) []group.Meeting {
	var all []group.Meeting
	looked := ""
	for _, p := range group.LookAgain([]group.Child{c}, 1, today) {
		looked = string(p.Stage)
	}
	last, seen := c.LastSeen()
	days := 30
	if seen {
		days = last.SchoolDays(today)
	}
	had := map[group.Kind]bool{}
	for _, step := range c.NextSteps(today) {
		key := group.KindOf(step)
		if had[key] || looked != "" && looked != string(step.Stage) {
			continue
		}
		had[key] = true
		all = append(all, group.Meeting{Kind: key, Seats: []group.Seat{{Child: c, Step: step, Days: days}}})
	}
	if key, found := c.LongestUnused(); len(all) == 0 && found {
		all = append(all, group.Meeting{Kind: group.Kind{Key: key}, Seats: []group.Seat{{Child: c, Step: ladder.NextStep{Kind: ladder.KeepUp, Stage: key.Stage, Manner: key.Manner}, Days: days}}})
	}
	return all
}

func clash(seats []group.Seat, apart []group.Pair) bool {
	for i, a := range seats {
		for _, b := range seats[:i] {
			if slices.Contains(apart, group.Pair{a.ID, b.ID}) || slices.Contains(apart, group.Pair{b.ID, a.ID}) {
				return true
			}
		}
	}
	return false
}

// Forty children with two years of records, eight a week: their vines of the day and the
// lessons that suggest themselves, from the folds that are kept.
func BenchmarkMeetings(b *testing.B) {
	const weeks, each = 80, 8
	rng := rand.New(rand.NewPCG(18, 3))
	class := ladder.Class{Limit: 10_000}
	for w := range book.Week(weeks) {
		class.Weeks = append(class.Weeks, today.Week()-weeks+w)
	}
	children, apart := madeUp(rng, 40)
	for i := range children {
		fold := ladder.NewFold(class)
		for w := range weeks {
			strand := ladder.Strands()[rng.IntN(len(ladder.Strands()))]
			stages := class.Stages(strand)
			stage := stages[rng.IntN(1+min(len(stages)-1, w*len(stages)/weeks))]
			manner := stage.Manners[rng.IntN(len(stage.Manners))]
			for range each {
				o := book.Observation{Task: stage.Example, Stage: stage.ID, Manner: manner, Help: book.Alone, Came: book.Typed, Runs: 1, Answer: stage.Example.Result(), Day: today - book.Day(7*(weeks-w)-rng.IntN(5))}
				if rng.IntN(8) == 0 {
					o.Answer = "7"
				}
				fold.Take(ladder.Saw(o))
			}
		}
		children[i].Child = ladder.Child{Standings: fold.Standings(), Class: class}
	}
	b.ResetTimer()
	for b.Loop() {
		now := make([]group.Child, len(children))
		for i, c := range children {
			now[i] = c
			now[i].Child = c.On(today)
		}
		if len(group.Meetings(now, group.Day{Today: today, Seats: 4, Most: 3, Apart: apart})) != 3 {
			b.Fatal("not three lessons")
		}
	}
}
