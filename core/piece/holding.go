package piece

import (
	"bytes"
	"encoding/json"
	"fmt"

	"vineswap/core/place"
)

// Holding is how many of each piece lie somewhere. Of one piece there may be more than
// nine. It is comparable; the zero value is nothing at all.
type Holding [Count]int16

// Building returns the pieces that build a number: its digits. It panics for a number
// below 0 or of more than seven digits, which has none.
func Building(n place.Number) Holding {
	if n < 0 || int(n) >= 10*place.Millions.Unit() {
		panic(fmt.Sprintf("piece: %d has no pieces", int(n)))
	}
	var h Holding
	for _, p := range place.All() {
		h[p] = int16(n.Digit(p))
	}
	return h
}

// Only returns a holding of count of one piece.
func Only(p Piece, count int) Holding {
	var h Holding
	h[p] = int16(count)
	return h
}

// Count returns how many of a piece there are.
func (h Holding) Count(p Piece) int { return int(h[p]) }

// At returns how many pieces of a place there are.
func (h Holding) At(p place.Place) int { return int(h[p]) }

// Value returns what the pieces are worth together. A swap never changes it.
func (h Holding) Value() int {
	v := 0
	for p, n := range h {
		v += int(n) * worths[p]
	}
	return v
}

// Pieces returns how many pieces there are, of all kinds together.
func (h Holding) Pieces() int {
	sum := 0
	for _, n := range h {
		sum += int(n)
	}
	return sum
}

// Plus returns both holdings put together.
func (h Holding) Plus(other Holding) Holding {
	for p := range h {
		h[p] += other[p]
	}
	return h
}

// Most returns, piece by piece, the larger of the two counts.
func (h Holding) Most(other Holding) Holding {
	for p := range h {
		h[p] = max(h[p], other[p])
	}
	return h
}

// AnyBelowZero tells whether there are fewer than none of some piece.
func (h Holding) AnyBelowZero() bool {
	for _, n := range h {
		if n < 0 {
			return true
		}
	}
	return false
}

// MarshalJSON writes an object of counts by the names of the pieces, ones first; those
// of which there are none are left out.
func (h Holding) MarshalJSON() ([]byte, error) {
	var out bytes.Buffer
	out.WriteByte('{')
	for p, n := range h {
		if n == 0 {
			continue
		}
		if out.Len() > 1 {
			out.WriteByte(',')
		}
		fmt.Fprintf(&out, "%q:%d", names[p], n)
	}
	out.WriteByte('}')
	return out.Bytes(), nil
}

// UnmarshalJSON reads what MarshalJSON writes. Unknown pieces and counts that are no
// whole numbers are errors.
func (h *Holding) UnmarshalJSON(data []byte) error {
	counts := map[Piece]int16{}
	if err := json.Unmarshal(data, &counts); err != nil {
		return fmt.Errorf("pieces by kind: %w", err)
	}
	*h = Holding{}
	for p, n := range counts {
		h[p] = n
	}
	return nil
}
