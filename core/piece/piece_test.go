package piece_test

import (
	"encoding/json"
	"fmt"
	"math/rand/v2"
	"testing"

	"vineswap/core/piece"
	"vineswap/core/place"
)

// A number is built with as many pieces as its digits say, and they are worth it.
func TestBuilding(t *testing.T) {
	rng := rand.New(rand.NewPCG(3, 1))
	for range 5_000 {
		n := place.Number(rng.IntN(10_000_000))
		h := piece.Building(n)
		if h.Value() != int(n) || h.Pieces() != n.DigitSum() {
			t.Fatalf("%d is built as %v", n, h)
		}
	}
}

// Whatever lies together is worth what its parts are worth, whichever pieces they are;
// the most of two holdings holds either.
func TestValueLaw(t *testing.T) {
	rng := rand.New(rand.NewPCG(16, 1))
	some := func() (h piece.Holding) {
		for range rng.IntN(6) {
			h = h.Plus(piece.Only(piece.Piece(rng.IntN(piece.Count)), rng.IntN(100)))
		}
		return h
	}
	for range 5_000 {
		a, b := some(), some()
		both, most := a.Plus(b), a.Most(b)
		if both.Value() != a.Value()+b.Value() || both.Pieces() != a.Pieces()+b.Pieces() || both.AnyBelowZero() {
			t.Fatalf("%v and %v are %v", a, b, both)
		}
		if most.Most(a) != most || most.Most(b) != most || most.Pieces() > both.Pieces() {
			t.Fatalf("the most of %v and %v is %v", a, b, most)
		}
	}
}

// Every piece has a name of its own by which it is read again, and its worth.
func TestPieces(t *testing.T) {
	seen := map[string]bool{}
	for p := range piece.Piece(piece.Count) {
		back, err := piece.Parse(p.String())
		if err != nil || back != p || seen[p.String()] || p.Worth() < 1 {
			t.Errorf("%d is %s, worth %d, read as %d: %v", p, p, p.Worth(), back, err)
		}
		seen[p.String()] = true
		if of, has := p.Place(); has && of.Unit() != p.Worth() {
			t.Errorf("%s is worth %d", p, p.Worth())
		}
	}
	for beads := 1; beads <= piece.LongestBar; beads++ {
		if _, has := piece.Bar(beads).Place(); has || piece.Bar(beads).Worth() != beads {
			t.Errorf("the bar of %d is worth %d", beads, piece.Bar(beads).Worth())
		}
	}
}

func Example() {
	fmt.Println(piece.Only(piece.Bar(7), 2).Plus(piece.Only(piece.Of(place.Tens), 1)).Value())
	// Output: 24
}

// A holding of a place's pieces, of bars and of single things is written by names and
// read again.
func TestHoldingJSON(t *testing.T) {
	h := piece.Holding{7, 4, 0, 2}.Plus(piece.Only(piece.Bar(7), 2)).Plus(piece.Only(piece.Stick, 45))
	text, err := json.Marshal(h)
	if err != nil || string(text) != `{"ones":7,"tens":4,"thousands":2,"stick":45,"bar-7":2}` {
		t.Fatalf("%s, %v", text, err)
	}
	var back piece.Holding
	if err := json.Unmarshal(text, &back); err != nil || back != h {
		t.Fatalf("%v came back as %v: %v", h, back, err)
	}
	for _, bad := range []string{`{"unit":1}`, `{"bar-10":1}`, `{"ones":"x"}`, `[1]`} {
		if err := json.Unmarshal([]byte(bad), &back); err == nil {
			t.Errorf("%s was accepted", bad)
		}
	}
}
