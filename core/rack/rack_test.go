package rack_test

import (
	"errors"
	"fmt"
	"slices"
	"strings"
	"testing"

	"vineswap/core/rack"
)

// Twenty numbers on the rack of 100, seen in ways that were worked out by hand.
func TestSeen(t *testing.T) {
	for n, want := range map[int]string{
		0: "", 1: "",
		3:   "at-once 1",
		5:   "at-once 1",
		6:   "five-and-some 2, doubles 2",
		10:  "at-once 1, tens-then-ones 1, five-and-some 2, doubles 2, from-hundred 9",
		12:  "tens-then-ones 2, five-and-some 3, doubles 3, from-hundred 10",
		14:  "tens-then-ones 2, five-and-some 3, doubles 3, from-hundred 10",
		16:  "tens-then-ones 3, doubles 3, five-and-some 4, from-hundred 9",
		20:  "tens-then-ones 2, doubles 2, five-and-some 4, from-hundred 8",
		27:  "tens-then-ones 4, five-and-some 6, from-hundred 8",
		40:  "tens-then-ones 4, from-hundred 6, five-and-some 8",
		49:  "tens-then-ones 6, from-hundred 6, five-and-some 10",
		50:  "from-fifty 1, tens-then-ones 5, from-hundred 5, five-and-some 10",
		57:  "from-fifty 3, from-hundred 5, tens-then-ones 7, five-and-some 12",
		64:  "from-fifty 3, from-hundred 5, tens-then-ones 7, five-and-some 13",
		67:  "from-fifty 4, from-hundred 4, tens-then-ones 8, five-and-some 14",
		80:  "from-hundred 2, from-fifty 4, tens-then-ones 8, five-and-some 16",
		94:  "from-hundred 2, from-fifty 6, tens-then-ones 10, five-and-some 19",
		99:  "from-hundred 1, from-fifty 7, tens-then-ones 11, five-and-some 20",
		100: "from-hundred 1, from-fifty 6, tens-then-ones 10, five-and-some 20",
	} {
		r, err := rack.New(rack.Hundred, n)
		if err != nil {
			t.Fatal(err)
		}
		var said []string
		for _, s := range r.Seen() {
			said = append(said, fmt.Sprint(s.Way, " ", len(s.Looks)))
		}
		if got := strings.Join(said, ", "); got != want {
			t.Errorf("%d: %s, wanted %s", n, got, want)
		}
	}
}

// On the small racks nothing is seen from fifty or a hundred, and doubles need two rows.
func TestSmallRacks(t *testing.T) {
	for _, c := range []struct {
		size rack.Size
		n    int
		want []rack.Way
	}{
		{rack.Ten, 8, []rack.Way{rack.FiveAndSome}},
		{rack.Ten, 10, []rack.Way{rack.AtOnce, rack.TensThenOnes, rack.FiveAndSome}},
		{rack.Twenty, 8, []rack.Way{rack.FiveAndSome, rack.Doubles}},
		{rack.Twenty, 17, []rack.Way{rack.TensThenOnes, rack.FiveAndSome}},
	} {
		r, _ := rack.New(c.size, c.n)
		var ways []rack.Way
		for _, s := range r.Seen() {
			ways = append(ways, s.Way)
		}
		if !slices.Equal(ways, c.want) {
			t.Errorf("%d on the rack of %d: %v, wanted %v", c.n, c.size, ways, c.want)
		}
	}
}

// All that is seen together is the number, no bead twice: of what is missing the rest of the
// hundred. No look takes in more than it may.
func TestLooksAreTheNumber(t *testing.T) {
	for _, size := range rack.Sizes() {
		for n := range int(size) + 1 {
			r, err := rack.New(size, n)
			if err != nil {
				t.Fatal(err)
			}
			total := 0
			for _, k := range r.Rows() {
				total += k
			}
			if total != n || len(r.Rows()) != int(size)/10 || r.Pushes() != (n+9)/10 {
				t.Errorf("%d on the rack of %d: rows %v, %d pushes", n, size, r.Rows(), r.Pushes())
			}
			fewest := 0
			for _, s := range r.Seen() {
				if len(s.Looks) >= n || len(s.Looks) < fewest {
					t.Errorf("%d: %s in %d looks, after %d", n, s.Way, len(s.Looks), fewest)
				}
				fewest = len(s.Looks)
				checkLooks(t, r, s)
			}
		}
	}
}

func checkLooks(t *testing.T, r rack.Rack, s rack.Seen) {
	t.Helper()
	beads := map[[2]int]bool{}
	for _, l := range s.Looks {
		for row := l.Row; row < l.Row+l.Rows; row++ {
			for b := l.From; b < l.To; b++ {
				if beads[[2]int{row, b}] {
					t.Errorf("%d, %s: a bead is seen twice", r.Value, s.Way)
				}
				beads[[2]int{row, b}] = true
				if l.To-l.From < 10 && rack.First(row, b) != rack.First(row, l.From) && s.Way != rack.Doubles {
					t.Errorf("%d, %s: a look of two colours", r.Value, s.Way)
				}
			}
		}
		whole := l.To-l.From == 10
		if l.Rows == 1 && !whole && l.To-l.From > 5 && s.Way != rack.Doubles || l.Rows > 1 && !whole {
			t.Errorf("%d, %s: too much in one look: %+v", r.Value, s.Way, l)
		}
	}
	want := r.Value
	if s.Way == rack.FromHundred && r.Value < 100 {
		want = 100 - r.Value
	}
	if len(beads) != want {
		t.Errorf("%d, %s: %d beads are seen", r.Value, s.Way, len(beads))
	}
}

// After five rows the colours change sides.
func TestColours(t *testing.T) {
	for _, c := range []struct {
		row, bead int
		first     bool
	}{{0, 0, true}, {0, 5, false}, {4, 4, true}, {5, 4, false}, {5, 5, true}, {9, 9, true}} {
		if rack.First(c.row, c.bead) != c.first {
			t.Errorf("row %d, bead %d", c.row, c.bead)
		}
	}
}

func TestNoSuchRack(t *testing.T) {
	for name, c := range map[string]struct {
		size rack.Size
		n    int
		want error
	}{
		"101 on a rack of 100": {rack.Hundred, 101, rack.ErrMany}, "below nothing": {rack.Ten, -1, rack.ErrMany}, "a rack of 30": {30, 4, rack.ErrSize},
	} {
		if _, err := rack.New(c.size, c.n); !errors.Is(err, c.want) {
			t.Errorf("%s: %v", name, err)
		}
	}
	if rack.Smallest(10) != rack.Ten || rack.Smallest(11) != rack.Twenty || rack.Smallest(21) != rack.Hundred {
		t.Error("the smallest rack is another")
	}
}

// A number is pushed and seen.
func ExampleRack_Seen() {
	r, _ := rack.New(rack.Hundred, 64)
	fmt.Println(r.Rows(), r.Pushes())
	fmt.Println(r.Seen()[0].Way, len(r.Seen()[0].Looks))
	// Output:
	// [10 10 10 10 10 10 4 0 0 0] 7
	// from-fifty 3
}
