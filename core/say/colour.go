package say

import (
	"fmt"

	"vineswap/core/hue"
	"vineswap/core/place"
)

// Darkened says that a colour is darkened for text, and why; "" where it is not.
func Darkened(s hue.Shade) string {
	if !s.Darkened {
		return ""
	}
	return fmt.Sprintf("Darkened for text: as it is its contrast is %.1f, and text needs %.1f.", s.Contrast, hue.AA)
}

// tooNear is the distance of two colours under which they are hard to tell apart.
const tooNear = 48

// Alike says which places have colours that are hard to tell apart; "" where none
// have. Their marks tell them apart still.
func (w Words) Alike(s hue.Set) string {
	for p := range place.Place(hue.Places) {
		for q := range p {
			if hue.Distance(s.Places[p], s.Places[q]) < tooNear {
				return fmt.Sprintf("The colours of %s and %s are hard to tell apart: their marks and shapes tell them still.", w.PlaceMany(q), w.PlaceMany(p))
			}
		}
	}
	return ""
}
