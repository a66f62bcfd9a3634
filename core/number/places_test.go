package number_test

import (
	"errors"
	"fmt"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"vineswap/core/choose"
	"vineswap/core/number"
	"vineswap/core/piece"
	"vineswap/core/place"
	"vineswap/core/rename"
	"vineswap/core/task"
	"vineswap/core/trace"
)

func ExampleAsked_Blank() {
	a := number.Asked{Number: 34, Shown: number.Numeral, Answered: number.Rename, Way: 2}
	fmt.Println(a.Holding().At(place.Tens), a.Blank(), a.Right())
	// Output: 2 ones [14]
}

func ExampleDeciding() {
	fmt.Println(number.Deciding(342, 324), number.Deciding(99, 102))
	// Output: tens hundreds
}

// numbersOfLength lists the numbers of some digits, found by trying.
func numbersOfLength(digits int, zeros number.Zeros) []place.Number {
	var list []place.Number
	least, end := 1, 10
	for range digits - 1 {
		least, end = 10*least, 10*end
	}
	for n := least; n < end; n++ {
		if zeros == number.AnyZeros || strings.Contains(fmt.Sprint(n), "0") == (zeros == number.WithZeros) {
			list = append(list, place.Number(n))
		}
	}
	return list
}

// Renamed numbers are counted as they are found by trying, each once, in each way of asking.
func TestRenamedCounted(t *testing.T) {
	side := func(swaps int) number.Swaps {
		switch swaps {
		case 1:
			return number.OneSwap
		case 2:
			return number.TwoSwaps
		}
		return number.MoreSwaps
	}
	type found struct {
		n     place.Number
		way   uint32
		swaps number.Swaps
		tray  bool
	}
	for zeros, digits := range map[number.Zeros][]int{number.NoZeros: {2}, number.AnyZeros: {2}, number.WithZeros: {2, 3}} {
		var all []found
		for _, d := range digits {
			for _, n := range numbersOfLength(d, zeros) {
				for way := range rename.Ways(n) - 1 { // the last is the usual one
					holding := rename.Nth(n, way)
					a, b, c := rename.Down(n, holding)
					all = append(all, found{n, uint32(way), side(a + b + c), rename.Fits(holding)})
				}
			}
		}
		for _, asked := range []struct {
			shown    number.Shown
			answered number.Answered
			tray     bool
		}{{number.Numeral, number.Rename, false}, {number.Renamed, number.Lay, true}} {
			for _, swaps := range [][]number.Swaps{{number.TwoSwaps}, {number.OneSwap, number.MoreSwaps}} {
				space := number.Choice{Stage: number.Renaming, Digits: digits, Zeros: zeros, Swaps: swaps, Shown: []number.Shown{asked.shown}, Answered: []number.Answered{asked.answered}}.Space()
				want := map[number.Asked]bool{}
				for _, f := range all {
					if slices.Contains(swaps, f.swaps) && (!asked.tray || f.tray) {
						want[number.Asked{Number: f.n, Shown: asked.shown, Answered: asked.answered, Way: f.way}] = true
					}
				}
				if space.Count() != len(want) {
					t.Fatalf("%v, %s zeros, %v: %d counted, %d found", asked, zeros, swaps, space.Count(), len(want))
				}
				for i, a := range space.All() {
					if !want[a] || i%197 == 0 && !space.Has(a) {
						t.Fatalf("%v, %s zeros, %v: %s is none or comes twice", asked, zeros, swaps, a)
					}
					delete(want, a)
				}
			}
		}
	}
}

// Sets of numbers that differ first in one place are counted as they are found by trying.
func TestComparedCounted(t *testing.T) {
	for _, zeros := range []number.Zeros{number.NoZeros, number.AnyZeros} {
		for _, digits := range [][]int{{2}, {2, 3}} {
			all := []place.Number{}
			for _, d := range digits {
				all = append(all, numbersOfLength(d, zeros)...)
			}
			found := map[number.Differ]int{}
			for i, a := range all {
				for _, b := range all[:i] {
					found[number.DiffersIn([]place.Number{a, b})]++
				}
			}
			if len(digits) == 1 && zeros == number.NoZeros {
				for i, a := range all {
					for k, b := range all[:i] {
						for _, c := range all[:k] {
							found["3 "+number.DiffersIn([]place.Number{a, b, c})]++
						}
					}
				}
			}
			for _, in := range []number.Differ{number.ByLength, number.ByHundreds, number.ByTens, number.ByOnes} {
				for many, answered := range map[int]number.Answered{2: number.Sign, 3: number.Order} {
					want := found[in]
					if many == 3 {
						want = found["3 "+in]
					}
					if many == 3 && (len(digits) > 1 || zeros != number.NoZeros) {
						continue
					}
					space := number.Choice{Stage: number.CompareAndOrder, Digits: digits, Zeros: zeros, Many: []int{many}, Differ: []number.Differ{in}, Shown: []number.Shown{number.Numeral}, Answered: []number.Answered{answered}}.Space()
					if space.Count() != want {
						t.Fatalf("%v, %s zeros, %d differ by %s: %d counted, %d found", digits, zeros, many, in, space.Count(), want)
					}
					seen := map[number.Asked]bool{}
					for i, a := range space.All() {
						if seen[a] || a.Valid() != nil || number.DiffersIn(a.Numbers()) != in || i%50 == 0 && !space.Has(a) {
							t.Fatalf("%s is none or comes twice", a)
						}
						seen[a] = true
					}
				}
			}
		}
	}
}

// As many as there are, five of four digits are drawn, and differ first where it is asked.
func TestManyCompared(t *testing.T) {
	c, _ := number.Whole(number.CompareAndOrder)
	c.Many, c.Shown, c.Answered = []int{5}, []number.Shown{number.Numeral}, []number.Answered{number.Order}
	sum := 0
	for _, in := range c.Differ {
		one := c
		one.Differ = []number.Differ{in}
		sum += one.Space().Count()
		for _, a := range one.Space().Draw(12, 7, nil) {
			if len(a.Numbers()) != 5 || a.Valid() != nil || number.DiffersIn(a.Numbers()) != in {
				t.Errorf("by %s: %s", in, a)
			}
		}
	}
	if sum != c.Space().Count() {
		t.Errorf("%d in all, %d by places", c.Space().Count(), sum)
	}
}

// What was asked lately is not drawn again: a set in whatever order it was shown, a number
// in the way in which it lay.
func TestNotAgainLately(t *testing.T) {
	for _, c := range []number.Choice{
		{Stage: number.CompareAndOrder, Digits: []int{2}, Zeros: number.NoZeros, Many: []int{2}, Differ: []number.Differ{number.ByOnes}, Shown: []number.Shown{number.Numeral}, Answered: []number.Answered{number.Sign}},
		{Stage: number.Renaming, Digits: []int{2}, Zeros: number.AnyZeros, Swaps: []number.Swaps{number.OneSwap, number.MoreSwaps}, Shown: []number.Shown{number.Numeral}, Answered: []number.Answered{number.Rename}},
	} {
		space := c.Space()
		all := space.Count()
		lately := space.Draw(all-5, 3, nil)
		if left := space.Draw(all, 4, lately); len(left) != 5 || len(space.Of(left)) != 5 || len(space.Of(append(left, lately...))) != all {
			t.Errorf("%s: %d of %d are left", c.Stage, len(left), all)
		}
	}
}

func TestSeveralTyped(t *testing.T) {
	for text, want := range map[string]string{
		"342 324": "342,324 numeral sign", "3,825": "3825 numeral lay", "405,060": "405060 numeral cards", "342 ? 324": "342,324 numeral sign", "7 3 9": "7,3,9 numeral order", "2 tens 14 ones": "34 renamed write 2", "3 hundreds 4 ones": "304 units write",
		"47,25 expanded join": "47,25 expanded join", "34 renamed write 2": "34 renamed write 2", "342,324,351 pieces order": "342,324,351 pieces order",
	} {
		a, err := number.Parse(text)
		if err != nil || a.String() != want {
			t.Errorf("%q was read as %q, %v; wanted %q", text, a, err, want)
		}
		if again, err := number.Parse(a.String()); err != nil || again != a {
			t.Errorf("%q read again is %q, %v", a, again, err)
		}
	}
	for text, want := range map[string]error{
		"342 342": number.ErrSame, "7 0": number.ErrZero, "0 7 3": number.ErrZero, "1 2 3 4 5 6": number.ErrMore, "34 renamed write 3": number.ErrUsual, "34 renamed write 9": number.ErrLies, "342 renamed lay 0": number.ErrTray, "342 unswapped say 0": number.ErrTray,
		"342,324 numeral order": number.ErrMore, "342 numeral sign": number.ErrMore, "340,20 expanded join": number.ErrSuits, "10000,3 pieces sign": number.ErrLaid, "120 tens 3 ones": nil, "1,000,000": place.ErrTooLong, "1,00": place.ErrLeadingZero, "cards 300 40 2": nil, "cards 300 14": number.ErrCard, "cards 300 0": number.ErrCard, "cards 30 40": number.ErrTwoCards, "cards": number.ErrSuits, "cards 1000000": place.ErrTooLong,
	} {
		if _, err := number.Parse(text); !errors.Is(err, want) {
			t.Errorf("%q: %v, wanted %v", text, err, want)
		}
	}
}

func TestSeveralAnswered(t *testing.T) {
	for _, c := range []struct {
		asked, right, wrong string
	}{
		{"342,324 numeral sign", ">", "less"}, {"99,102 numeral sign", "less than", ">"}, {"342,324 numeral decides", "tens", "hundreds"}, {"342,324 numeral decides", "ten", "ones"},
		{"7,3,9 numeral order", "3 < 7 < 9", "3, 9, 7"}, {"34 renamed write 2", "34", "214"}, {"34 numeral rename 2", "14", "4"}, {"342 numeral how-many", "34", "4"}, {"3420 numeral hundreds", "34", "4"}, {"47,25 expanded join", "72", "612"},
	} {
		a, err := number.Parse(c.asked)
		if err != nil {
			t.Fatal(c.asked, err)
		}
		if tk := a.Task(); !tk.IsRight(c.right) || tk.IsRight(c.wrong) || !tk.IsRight(tk.Result()) {
			t.Errorf("%s: %q is right, %q is not; right is %q", c.asked, c.right, c.wrong, tk.Result())
		}
	}
}

// Every question of places keeps the laws of every trace, positions are its own, and what
// lies there in the end is what it should be.
func TestPlacesTraced(t *testing.T) {
	rng := rand.New(rand.NewPCG(17, 5))
	for _, id := range []number.Asked{number.Example(number.Renaming), number.Example(number.CompareAndOrder), number.Example(number.ExpandedForm)} {
		stage := number.StageOf(id)
		c, err := number.Whole(stage)
		if err != nil {
			t.Fatal(err)
		}
		for _, w := range c.Space().Ways() {
			one := c
			one.Shown, one.Answered = []number.Shown{w.Shown}, []number.Answered{w.Answered}
			for _, a := range one.Space().Draw(40, rng.Uint64(), nil) {
				tr, err := number.Solve(a, trace.Method{})
				if err != nil {
					t.Fatal(a, err)
				}
				if err := tr.Verify(); err != nil {
					t.Fatalf("%s: %v", a, err)
				}
				seen := map[trace.Position]bool{}
				for _, s := range tr.Steps {
					if seen[s.At] {
						t.Fatalf("%s: two steps at %s", a, s.At)
					}
					seen[s.At] = true
				}
				if got, err := number.Parse(a.String()); err != nil || got != a || number.StageOf(a) == "" && a.Number >= 100 || !number.Accepts(stage, a) {
					t.Errorf("%s was read as %s, %v; stage %q", a, got, err, number.StageOf(a))
				}
				if tk := (task.Task{Kind: number.Kind, Data: a}); !tk.IsRight(tk.Result()) {
					t.Errorf("%s: %q is not right", a, tk.Result())
				}
			}
		}
	}
}

func BenchmarkChoosingRenamed(b *testing.B)  { benchmarkChoosing(b, number.Renaming) }
func BenchmarkChoosingCompared(b *testing.B) { benchmarkChoosing(b, number.CompareAndOrder) }
func BenchmarkChoosingParts(b *testing.B)    { benchmarkChoosing(b, number.ExpandedForm) }

// benchmarkChoosing counts all that a stage has and draws twelve.
func benchmarkChoosing(b *testing.B, id choose.StageID) {
	c, err := number.Whole(id)
	if err != nil {
		b.Fatal(err)
	}
	for b.Loop() {
		space := c.Space()
		if space.Count() == 0 || len(space.Draw(12, 7, nil)) != 12 {
			b.Fatal("nothing was drawn")
		}
	}
}

func TestFetched(t *testing.T) {
	for _, c := range []struct {
		name  string
		n     place.Number
		tray  [4]int // thousands first
		wants []number.Fault
	}{
		{"as it should be", 342, [4]int{0, 3, 4, 2}, nil},
		{"nothing for zero", 0, [4]int{}, nil},
		{"nothing yet", 342, [4]int{}, []number.Fault{{Kind: number.NothingThere}}},
		{"243 for 432", 432, [4]int{0, 2, 4, 3}, []number.Fault{{Kind: number.TurnedRound}}},
		{"its digits one place higher", 342, [4]int{3, 4, 2, 0}, []number.Fault{{Kind: number.TurnedRound}}},
		{"laid in another way", 342, [4]int{0, 2, 14, 2}, []number.Fault{{Kind: number.OtherWay}}},
		{"one ten missing", 342, [4]int{0, 3, 3, 2}, []number.Fault{{Kind: number.MissingThere, Place: place.Tens, Count: 1}}},
		{"tens as hundreds", 340, [4]int{0, 7, 0, 0}, []number.Fault{{number.WrongPlace, place.Hundreds, place.Tens, 4}}},
		{"two faults", 305, [4]int{0, 2, 1, 7}, []number.Fault{{number.WrongPlace, place.Tens, place.Hundreds, 1}, {Kind: number.TooMany, Place: place.Ones, Count: 2}}},
	} {
		t.Run(c.name, func(t *testing.T) {
			var tray piece.Holding
			for i, n := range c.tray {
				tray[piece.Of(place.Thousands-place.Place(i))] = int16(n)
			}
			if got := number.Fetched(c.n, tray); !slices.Equal(got, c.wants) {
				t.Errorf("%+v, wanted %+v", got, c.wants)
			}
		})
	}
}

// A tray is right only where each place has what its digit says; put right as it is named,
// any tray is.
func TestFetchedPutRight(t *testing.T) {
	rng := rand.New(rand.NewPCG(17, 6))
	for range 5_000 {
		n := place.Number(rng.IntN(10_000))
		var tray, want piece.Holding
		for p := place.Ones; p <= place.Thousands; p++ {
			want[p] = int16(n.Digit(p))
			tray[p] = int16(max(0, n.Digit(p)+rng.IntN(5)-2))
		}
		faults := number.Fetched(n, tray)
		if (len(faults) == 0) != (tray == want) {
			t.Fatalf("%d, %v: %v", n, tray, faults)
		}
		for _, f := range faults {
			switch f.Kind {
			case number.WrongPlace:
				tray[f.Place] -= int16(f.Count)
				tray[f.To] += int16(f.Count)
			case number.MissingThere:
				tray[f.Place] += int16(f.Count)
			case number.TooMany:
				tray[f.Place] -= int16(f.Count)
			default:
				tray = want
			}
		}
		if tray != want {
			t.Fatalf("%d: put right as %v it is %v", n, faults, tray)
		}
	}
}
