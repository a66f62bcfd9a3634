package setting_test

import (
	"encoding/json"
	"reflect"
	"strings"
	"testing"

	"vineswap/core/material"
	"vineswap/core/paper"
	"vineswap/core/say"
	"vineswap/core/setting"
	"vineswap/core/trace"
)

func TestRead(t *testing.T) {
	usual := setting.Default()
	for _, c := range []struct {
		name, text string
		want       func(*setting.Class)
	}{
		{"an empty record", `{}`, func(*setting.Class) {}},
		{"all set", `{"version":1,"swap":"trade","places":"units","and":true,"material":"blocks"}`, func(c *setting.Class) {
			c.Swap, c.Places, c.And, c.Material = say.Trade, say.Units, true, material.Blocks
		}},
		{"words that this version does not know", `{"version":9,"swap":"barter","places":"singles","material":"pebbles","new":3}`, func(c *setting.Class) { c.Version = 9 }},
	} {
		t.Run(c.name, func(t *testing.T) {
			want := usual
			c.want(&want)
			if got, err := setting.Read([]byte(c.text)); err != nil || !reflect.DeepEqual(got, want) {
				t.Errorf("%+v, %v; want %+v", got, err, want)
			}
		})
	}
	if got, err := setting.Read([]byte(`{"swap":`)); err == nil || !reflect.DeepEqual(got, usual) {
		t.Errorf("broken text: %+v, %v", got, err)
	}
}

func TestMade(t *testing.T) {
	whole := setting.Default()
	whole.Swap, whole.Places, whole.Material, whole.And = say.Carry, say.Units, material.Blocks, true
	whole.Digits, whole.Teens, whole.Comma, whole.When, whole.Carried = say.FaceValue, say.TenAnd, say.WithSpace, trace.AfterColumn, paper.Under
	whole.Order, whole.Zeros, whole.Filled = trace.SwapsFirst, trace.AsOne, trace.ByPairs
	whole.Bank, whole.Adult, whole.Signs = say.Store, say.Guide, say.InWords
	want := say.Words{Swap: say.Carry, Places: say.Units, And: true, Digits: say.FaceValue, Teens: say.TenAnd, Comma: say.WithSpace, Bank: say.Store, Adult: say.Guide, Signs: say.InWords}
	if c, err := setting.Made(whole); err != nil || c.Words() != want || c.Method() != (trace.Method{When: trace.AfterColumn, Order: trace.SwapsFirst, Zeros: trace.AsOne, Filled: trace.ByPairs}) {
		t.Errorf("%+v, %v", c, err)
	}
	for name, spoil := range map[string]func(*setting.Class){
		"swap": func(c *setting.Class) { c.Swap = "barter" }, "places": func(c *setting.Class) { c.Places = "singles" }, "material": func(c *setting.Class) { c.Material = "pebbles" },
		"digits": func(c *setting.Class) { c.Digits = "sung" }, "teens": func(c *setting.Class) { c.Teens = "sung" }, "comma": func(c *setting.Class) { c.Comma = "dot" },
		"when": func(c *setting.Class) { c.When = "never" }, "signs": func(c *setting.Class) { c.Signs = "arrows" }, "bank": func(c *setting.Class) { c.Bank = "shop" }, "adult": func(c *setting.Class) { c.Adult = "boss" }, "carried": func(c *setting.Class) { c.Carried = "away" }, "order": func(c *setting.Class) { c.Order = "later" }, "zeros": func(c *setting.Class) { c.Zeros = "jump" }, "colours": func(c *setting.Class) { c.Colours.Stair[3] = "blue" },
	} {
		c := whole
		spoil(&c)
		if _, err := setting.Made(c); err == nil {
			t.Errorf("an unknown %s was set", name)
		}
		text, err := json.Marshal(c)
		if err != nil {
			t.Fatal(err)
		}
		if read, err := setting.Read(text); err != nil || reflect.DeepEqual(read, c) {
			t.Errorf("an unknown %s was read as %+v, %v", name, read, err)
		}
	}
}

// A class has its own names for slips; spaces around them and slips that there are not do not
// matter, and a name is no longer than there is room for.
func TestHabits(t *testing.T) {
	c := setting.Default()
	c.Habits = setting.Habits{"drops-new-ten": "  the runaway  ten ", "smaller-from-larger": " ", "sneezes": "achoo"}
	made, err := setting.Made(c)
	if want := (setting.Habits{"drops-new-ten": "the runaway ten"}); err != nil || !reflect.DeepEqual(made.Habits, want) {
		t.Errorf("%v, %v", made.Habits, err)
	}
	text, err := json.Marshal(made)
	if err != nil {
		t.Fatal(err)
	}
	if read, err := setting.Read(text); err != nil || !reflect.DeepEqual(read, made) {
		t.Errorf("%+v, %v", read, err)
	}
	c.Habits = setting.Habits{"drops-new-ten": strings.Repeat("n", setting.MostHabit+1)}
	if _, err := setting.Made(c); err == nil {
		t.Error("a name that is too long was kept")
	}
}
