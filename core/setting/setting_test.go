package setting_test

import (
	"testing"

	"vineswap/core/material"
	"vineswap/core/say"
	"vineswap/core/setting"
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
			if got, err := setting.Read([]byte(c.text)); err != nil || got != want {
				t.Errorf("%+v, %v; want %+v", got, err, want)
			}
		})
	}
	if got, err := setting.Read([]byte(`{"swap":`)); err == nil || got != usual {
		t.Errorf("broken text: %+v, %v", got, err)
	}
}

func TestMade(t *testing.T) {
	if c, err := setting.Made("carry", "units", "blocks", true); err != nil || c.Words() != (say.Words{Swap: say.Carry, Places: say.Units, And: true}) {
		t.Errorf("%+v, %v", c, err)
	}
	for name, bad := range map[string][3]string{"swap": {"barter", "ones", "beads"}, "places": {"swap", "singles", "beads"}, "material": {"swap", "ones", "pebbles"}} {
		if c, err := setting.Made(bad[0], bad[1], bad[2], false); err == nil {
			t.Errorf("an unknown %s was set: %+v", name, c)
		}
	}
}
