// Package hue is the colours of a class's own set: one for each place and one for
// each bar of the bead stair, with what can be read in them. Contrast is that of
// the Web Content Accessibility Guidelines 2.1.
package hue

import (
	"errors"
	"fmt"
	"math"
	"strconv"
)

// Colour is a colour of the screen, written "#rrggbb".
type Colour string

// ErrColour is wrapped by the error about a text that is no colour.
var ErrColour = errors.New(`a colour is written as "#e9a81f"`)

// Parse reads "#rrggbb", in small or large letters.
func Parse(text string) (Colour, error) {
	if len(text) != 7 || text[0] != '#' {
		return "", fmt.Errorf("%w, not %q", ErrColour, text)
	}
	n, err := strconv.ParseUint(text[1:], 16, 32)
	if err != nil {
		return "", fmt.Errorf("%w, not %q", ErrColour, text)
	}
	return Colour(fmt.Sprintf("#%06x", n)), nil
}

// parts are red, green and blue from 0 to 255; black for a text that is no colour.
func (c Colour) parts() (rgb [3]float64) {
	if len(c) != 7 {
		return rgb
	}
	n, _ := strconv.ParseUint(string(c[1:]), 16, 32)
	for i := range rgb {
		rgb[2-i] = float64(n >> (8 * i) & 0xff)
	}
	return rgb
}

// luminance is the relative luminance, from 0 for black to 1 for white.
func (c Colour) luminance() float64 {
	weights := [3]float64{0.2126, 0.7152, 0.0722}
	sum := 0.0
	for i, part := range c.parts() {
		v := part / 255
		if v <= 0.04045 {
			v /= 12.92
		} else {
			v = math.Pow((v+0.055)/1.055, 2.4)
		}
		sum += weights[i] * v
	}
	return sum
}

// Contrast is the contrast ratio of two colours, from 1 to 21.
func Contrast(a, b Colour) float64 {
	light, dark := a.luminance(), b.luminance()
	if light < dark {
		light, dark = dark, light
	}
	return (light + 0.05) / (dark + 0.05)
}

// Distance is how far two colours lie from one another, from 0 to 442, by their
// parts.
func Distance(a, b Colour) float64 {
	x, y := a.parts(), b.parts()
	sum := 0.0
	for i := range x {
		sum += (x[i] - y[i]) * (x[i] - y[i])
	}
	return math.Sqrt(sum)
}

// Mix returns a with a share of b, from 0 for a alone to 1 for b alone.
func Mix(a, b Colour, share float64) Colour {
	x, y := a.parts(), b.parts()
	var out [3]int
	for i := range out {
		out[i] = int(math.Round(x[i] + (y[i]-x[i])*share))
	}
	return Colour(fmt.Sprintf("#%02x%02x%02x", out[0], out[1], out[2]))
}

// The grounds that text stands on: the sheet, and the darkest paper.
const (
	sheet Colour = "#fffdf6"
	paper Colour = "#f2ecdd"
	black Colour = "#000000"
)

// AA is the contrast that text needs.
const AA = 4.5

// tintShare is how much of a colour its tint has.
const tintShare = 0.14

// Shade is a colour with what is made of it.
type Shade struct {
	Fill     Colour
	Ink      Colour  // for text
	Tint     Colour  // a light ground of it
	Contrast float64 // of the fill as text, at its worst
	Darkened bool    // for text, since its contrast would be under AA
}

// ShadeOf makes the ink and the tint of a colour. A colour that is one of ours has
// the ink that was chosen for it.
func ShadeOf(fill Colour) Shade {
	s := Shade{Fill: fill, Tint: Mix(sheet, fill, tintShare)}
	s.Contrast = min(Contrast(fill, paper), Contrast(fill, s.Tint))
	s.Ink, s.Darkened = fill, s.Contrast < AA
	for share := 0.0; min(Contrast(s.Ink, paper), Contrast(s.Ink, s.Tint)) < AA; share += 0.01 {
		s.Ink = Mix(fill, black, share)
	}
	if own, ok := inks[fill]; ok {
		s.Ink = own
	}
	return s
}

// The counts of colours in a set.
const (
	Places = 4
	Stairs = 9
	Racks  = 2
)

// Set is the colours of a class's set.
type Set struct {
	Places [Places]Colour `json:"places"` // ones first
	Stair  [Stairs]Colour `json:"stair"`  // the bar of one first
	Rack   [Racks]Colour  `json:"rack"`   // of the beads of a two-colour rack, the first five of the first row first
}

// Ours is the set of colours that a class begins with.
func Ours() Set {
	return Set{
		[Places]Colour{"#e9a81f", "#2b8a8f", "#8a4a78", "#bf5530"},
		[Stairs]Colour{"#5f8b3c", "#d08a1e", "#7a4a94", "#bf4f3a", "#2f8f9d", "#97794d", "#c2699b", "#4a6fb0", "#8a8f3c"},
		[Racks]Colour{"#6a2f57", "#fffdf6"},
	}
}

// inks are the inks of our own place colours.
var inks = map[Colour]Colour{"#e9a81f": "#7a5200", "#2b8a8f": "#145a5e", "#8a4a78": "#5c2a4e", "#bf5530": "#7f3115"}

// Checked returns the set with our own colour for every one that is none, and an
// error that names those.
func (s Set) Checked() (Set, error) {
	usual := Ours()
	var errs []error
	check := func(c *Colour, ours Colour) {
		good, err := Parse(string(*c))
		if err != nil {
			good, errs = ours, append(errs, err)
		}
		*c = good
	}
	for i := range s.Places {
		check(&s.Places[i], usual.Places[i])
	}
	for i := range s.Stair {
		check(&s.Stair[i], usual.Stair[i])
	}
	for i := range s.Rack {
		check(&s.Rack[i], usual.Rack[i])
	}
	return s, errors.Join(errs...)
}
