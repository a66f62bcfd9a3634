package wire_test

import (
	"encoding/json"
	"math/rand/v2"
	"reflect"
	"strings"
	"testing"

	"vineswap/core/beads"
	"vineswap/core/choose"
	"vineswap/core/lesson"
	"vineswap/core/material"
	"vineswap/core/number"
	"vineswap/core/piece"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/say"
	"vineswap/core/setting"
	"vineswap/core/trace"
	"vineswap/wire"
)

func made(t *testing.T, numbers ...place.Number) (wire.Lesson, lesson.View) {
	t.Helper()
	l, err := lesson.New(lesson.Items("", problem.SumOf(numbers...)), material.Beads, []string{"w"})
	if err != nil {
		t.Fatal(err)
	}
	children := []lesson.Child{{ID: "w", Name: "Wren A."}}
	v, err := l.Open(say.Words{}, trace.Method{})
	if err != nil {
		t.Fatal(err)
	}
	link, err := wire.LinkOf(setting.Default(), "id", l, v, children, "9:15")
	if err != nil {
		t.Fatal(err)
	}
	return wire.LessonOf(setting.Default(), link, 3, v, children), v
}

// Over seeded lessons: no null crosses the wire, the ribbon only moves on, the
// zones are the trace's, and each mark leads to the step that begins it.
func TestLessonLaws(t *testing.T) {
	rng := rand.New(rand.NewPCG(6, 2))
	for range 300 {
		l, v := made(t, place.Number(rng.IntN(5_000)), place.Number(rng.IntN(5_000)))
		text, err := json.Marshal(l)
		if err != nil || strings.Contains(string(text), "null") {
			t.Fatalf("%v: %s", err, text)
		}
		mark := 0
		for i, s := range l.Steps {
			if s.Mark < mark || s.Mark > mark+2 {
				t.Fatalf("%s: the ribbon goes from %d to %d", s.At, mark, s.Mark)
			}
			if s.Mark != mark && l.Link.Ribbon[s.Mark].At != s.At {
				t.Fatalf("the mark %q leads to %s, not to %s", l.Link.Ribbon[s.Mark].Name, l.Link.Ribbon[s.Mark].At, s.At)
			}
			mark = s.Mark
			for zone, counts := range s.Zones {
				var h piece.Holding
				for name, n := range counts {
					p, err := piece.Parse(name)
					if err != nil {
						t.Fatal(err)
					}
					h[p] = int16(n)
				}
				if h != v.Trace.Steps[i].Zones.In(trace.Zone(zone)) {
					t.Fatalf("%s: %s holds %v", s.At, zone, counts)
				}
			}
		}
		if mark != len(l.Link.Ribbon)-2 { // after the last step comes the record
			t.Fatalf("the ribbon ends at %d of %d", mark, len(l.Link.Ribbon))
		}
	}
}

func TestLinkSaysWhatIsNext(t *testing.T) {
	l, _ := made(t, 47, 25)
	if l.Link.Next != "Estimate" || l.Link.Ribbon[l.Link.Mark].Name != "gather" || l.Link.Sum.Stage.ID != "joining/one-swap-ones" {
		t.Errorf("%+v", l.Link)
	}
	if l.Needs.Minutes != 5 || l.Needs.Time != "about 5 minutes" || l.Roles[0].Does != "builds 47 and 25, works the ones and the tens" {
		t.Errorf("%+v, %+v", l.Needs, l.Roles)
	}
}

// What is asked for, made into a choice and answered, asks for the same.
func TestChoiceThereAndBack(t *testing.T) {
	for name, ask := range map[string]wire.Choose{
		"a stage":         {Stage: "joining/several-swaps", Digits: []int{4, 4}, Swap: map[string]string{}, Zeros: "any"},
		"knots and zeros": {Digits: []int{3, 2}, Swap: map[string]string{"ones": "yes", "tens": "no"}, Zeros: "yes"},
		"taking":          {Kind: "difference", Stage: "taking/across-one-zero", Digits: []int{3, 2}, ZeroAt: map[string]string{"tens": "yes"}, Cross: "yes", Row: "no", Limit: map[string]int{"ones": 15}, Groups: 1},
		"sharing":         {Kind: "share", Digits: []int{2}, Rest: "yes", Several: map[string]string{"tens": "no"}, By: 4},
		"trays":           {Kind: "trays", Digits: []int{3}, Facts: "up-to-ten", Exact: map[string]string{"ones": "no"}, Made: map[string]string{"tens": "no"}},
		"three numbers":   {Digits: []int{2, 2, 2}, MakesTen: "yes", Doubles: "no"},
	} {
		c, err := wire.ChoiceOf(ask)
		if err != nil {
			t.Fatal(err)
		}
		space, err := c.Space()
		if err != nil {
			t.Fatal(err)
		}
		got, err := wire.ChosenOf(setting.Default(), c, space, space.Draw(3, 7), 7)
		if err != nil {
			t.Fatal(err)
		}
		if back, err := wire.ChoiceOf(got.Choice); err != nil || !reflect.DeepEqual(back, c) {
			t.Errorf("%s came back as %+v, %v", name, got.Choice, err)
		}
		knots := map[string]int{"difference": ask.Digits[0] - 1, "share": ask.Digits[0] - 1}[ask.Kind]
		if knots == 0 {
			knots = ask.Digits[0]
		}
		if len(got.Problems) != 3 || len(got.Knots) != knots || len(got.Lanes) != ask.Digits[0] || got.Says == "" {
			t.Errorf("%s: %+v", name, got)
		}
	}
	for name, ask := range map[string]wire.Choose{
		"a place":           {Digits: []int{2, 2}, Swap: map[string]string{"unit": "yes"}},
		"a wish":            {Digits: []int{2, 2}, Swap: map[string]string{"ones": "perhaps"}},
		"zeros":             {Digits: []int{2, 2}, Zeros: "some"},
		"an operation":      {Digits: []int{2, 2}, Kind: "fold"},
		"facts":             {Digits: []int{2, 2}, Facts: "hard"},
		"a limit":           {Digits: []int{2, 2}, Limit: map[string]int{"unit": 3}},
		"an unknown option": {Digits: []int{2, 2}, Made: map[string]string{"tens": "so"}},
	} {
		if _, err := wire.ChoiceOf(ask); err == nil {
			t.Errorf("%s that is none was read", name)
		}
	}
}

// Every side that the settings view offers can be set.
func TestEverySideCanBeSet(t *testing.T) {
	sides := 0
	for _, m := range wire.ChoicesOf(setting.Default()).Matters {
		for _, side := range m.Sides {
			sides++
			got := map[string]any{}
			text, err := json.Marshal(wire.SettingsOf(setting.Default(), 1))
			if err != nil || json.Unmarshal(text, &got) != nil {
				t.Fatal(err)
			}
			if _, known := got[m.ID]; !known {
				t.Errorf("%s is no field of the settings", m.ID)
			}
			if got[m.ID] = side.Value; m.ID == "and" {
				got[m.ID] = side.Value == "true"
			}
			var ask wire.Settings
			if text, err = json.Marshal(got); err != nil || json.Unmarshal(text, &ask) != nil {
				t.Fatal(err)
			}
			if _, err := setting.Made(wire.ClassOf(ask)); err != nil || side.Example == "" || side.Name == "" || m.Name == "" {
				t.Errorf("%s: %+v: %v", m.ID, side, err)
			}
		}
	}
	if sides != len(say.SwapWords())+len(say.PlaceWords())+13*2+3*3+2*5 {
		t.Errorf("%d sides", sides)
	}
}

func TestStages(t *testing.T) {
	stages := wire.StagesOf(setting.Default())
	for _, s := range stages[:len(number.Stages())] {
		if s.Kind != string(number.Kind) || s.Name == "" || s.Asks == "" {
			t.Errorf("%+v", s)
		}
	}
	stages = stages[len(number.Stages()):]
	if len(stages) != len(beads.Stages())+len(choose.Stages()) || stages[6].Knots[0] != "yes" || stages[6].Least != 2 || !stages[9].Made {
		t.Errorf("%+v", stages)
	}
}
