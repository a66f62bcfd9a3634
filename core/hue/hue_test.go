package hue_test

import (
	"errors"
	"fmt"
	"math"
	"math/rand/v2"
	"slices"
	"testing"

	"vineswap/core/hue"
)

func TestParse(t *testing.T) {
	for text, want := range map[string]hue.Colour{"#e9a81f": "#e9a81f", "#E9A81F": "#e9a81f", "#000000": "#000000"} {
		if got, err := hue.Parse(text); err != nil || got != want {
			t.Errorf("%s is read as %s, %v", text, got, err)
		}
	}
	for _, text := range []string{"", "#", "e9a81f", "#e9a81", "#e9a81ff", "#e9a81g", "#+9a81f", "green", "url(x)"} {
		if got, err := hue.Parse(text); !errors.Is(err, hue.ErrColour) {
			t.Errorf("%q is read as %s, %v", text, got, err)
		}
	}
}

func FuzzParse(f *testing.F) {
	for _, seed := range []string{"#e9a81f", "#GGGGGG", "#-00001", "", "#äöü"} {
		f.Add(seed)
	}
	f.Fuzz(func(t *testing.T, text string) {
		got, err := hue.Parse(text)
		if err != nil {
			return
		}
		if again, err := hue.Parse(string(got)); err != nil || again != got || len(got) != 7 {
			t.Errorf("%q is read as %q and then as %q, %v", text, got, again, err)
		}
	})
}

// Known ratios: black on white, and the examples of the guidelines' working group.
func TestContrast(t *testing.T) {
	for _, c := range []struct {
		a, b hue.Colour
		want float64
	}{
		{"#000000", "#ffffff", 21}, {"#ffffff", "#ffffff", 1}, {"#777777", "#ffffff", 4.48}, {"#767676", "#ffffff", 4.54}, {"#0000ff", "#ffffff", 8.59},
	} {
		if got := hue.Contrast(c.a, c.b); math.Abs(got-c.want) > 0.01 || got != hue.Contrast(c.b, c.a) {
			t.Errorf("%s on %s: %.2f, want %.2f", c.a, c.b, got, c.want)
		}
	}
}

// Whatever a class chooses can be read, and is no darker than it must be.
func TestEveryColourCanBeRead(t *testing.T) {
	rng := rand.New(rand.NewPCG(6, 6))
	colours := []hue.Colour{"#ffffff", "#000000", "#ffff00", "#fffdf6"}
	for range 2_000 {
		colours = append(colours, hue.Colour(fmt.Sprintf("#%06x", rng.IntN(1<<24))))
	}
	ours := hue.Ours()
	for _, c := range slices.Concat(colours, ours.Stair[:], ours.Places[:]) {
		s := hue.ShadeOf(c)
		for _, ground := range []hue.Colour{"#fffdf6", "#faf6ec", "#f2ecdd", s.Tint} {
			if got := hue.Contrast(s.Ink, ground); got < hue.AA {
				t.Errorf("the ink %s of %s on %s: %.2f", s.Ink, c, ground, got)
			}
		}
		if s.Darkened != (s.Contrast < hue.AA) {
			t.Errorf("%s: %+v", c, s)
		}
		if !s.Darkened && s.Ink != c && c != "#8a4a78" {
			t.Errorf("%s can be read as it is, and became %s", c, s.Ink)
		}
	}
}

func TestChecked(t *testing.T) {
	own := hue.Ours()
	own.Places[1], own.Stair[8] = "#00FF00", "blue"
	got, err := own.Checked()
	if !errors.Is(err, hue.ErrColour) || got.Places[1] != "#00ff00" || got.Stair[8] != hue.Ours().Stair[8] {
		t.Errorf("%v, %v", got, err)
	}
	if got, err := (hue.Set{}).Checked(); err == nil || got != hue.Ours() {
		t.Errorf("an empty set became %v, %v", got, err)
	}
}
