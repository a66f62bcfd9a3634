package place

import (
	"bytes"
	"encoding/json"
	"fmt"
)

// Holding is how many pieces of each place lie somewhere, ones first. A place
// may hold more than nine. It is comparable; the zero value is nothing at all.
type Holding [Count]int

// Of returns the pieces that build a number: its digits. It panics for a number below 0
// or of more than seven digits, which has none.
func Of(n Number) Holding {
	if n < 0 || int(n) >= 10*Millions.Unit() {
		panic(fmt.Sprintf("place: %d has no pieces", int(n)))
	}
	var h Holding
	for p := range h {
		h[p] = n.Digit(Place(p))
	}
	return h
}

// Only returns a holding of count pieces of one place.
func Only(p Place, count int) Holding {
	var h Holding
	h[p] = count
	return h
}

// Value returns what the pieces are worth together. A swap never changes it.
func (h Holding) Value() int {
	v := 0
	for p, n := range h {
		v += n * Place(p).Unit()
	}
	return v
}

// Pieces returns how many pieces there are, of all kinds together.
func (h Holding) Pieces() int {
	sum := 0
	for _, n := range h {
		sum += n
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

// Most returns, place by place, the larger of the two counts.
func (h Holding) Most(other Holding) Holding {
	for p := range h {
		h[p] = max(h[p], other[p])
	}
	return h
}

// AnyBelowZero tells whether some place holds fewer than no pieces.
func (h Holding) AnyBelowZero() bool {
	for _, n := range h {
		if n < 0 {
			return true
		}
	}
	return false
}

// MarshalJSON writes an object of counts by place name, ones first; places
// with nothing in them are left out.
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
		fmt.Fprintf(&out, "%q:%d", Place(p), n)
	}
	out.WriteByte('}')
	return out.Bytes(), nil
}

// UnmarshalJSON reads what MarshalJSON writes. Unknown places and counts that
// are no whole numbers are errors.
func (h *Holding) UnmarshalJSON(data []byte) error {
	counts := map[Place]int{}
	if err := json.Unmarshal(data, &counts); err != nil {
		return fmt.Errorf("pieces by place: %w", err)
	}
	*h = Holding{}
	for p, n := range counts {
		h[p] = n
	}
	return nil
}
