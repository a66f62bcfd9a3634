package paper_test

import (
	"testing"

	"vineswap/core/paper"
	"vineswap/core/place"
	"vineswap/core/slip"
)

// A column with a slip stands on paper as the child writes it, in the class's notation.
func TestSlippedColumns(t *testing.T) {
	for name, c := range map[string]struct {
		notation paper.Notation
		in       slip.Operation
		ids      []slip.ID
		numbers  []place.Number
		want     string
	}{
		"right":            {paper.Notation{}, slip.Add, nil, []place.Number{47, 25}, "  1\n  47\n+ 25\n----\n  72\n"},
		"carried under":    {paper.Notation{Carried: paper.Under}, slip.Add, nil, []place.Number{47, 25}, "  47\n+ 25\n  1\n----\n  72\n"},
		"nothing is added": {paper.Notation{}, slip.Add, []slip.ID{"drops-new-ten"}, []place.Number{47, 25}, "  47\n+ 25\n----\n  62\n"},
		"crossed for naught": {
			paper.Notation{}, slip.Take, []slip.ID{"ten-for-nothing"}, []place.Number{62, 38},
			"      12\n    6  2\u0336\n−   3  8\n--------\n    3  4\n",
		},
	} {
		w, ok := slip.New(c.ids...).Write(c.in, c.numbers)
		if got := c.notation.Slipped(c.in, w).Text(); !ok || got != c.want {
			t.Errorf("%s:\n%swanted\n%s", name, got, c.want)
		}
	}
}
