package place_test

import (
	"errors"
	"fmt"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"vineswap/core/place"
)

func TestParseNumber(t *testing.T) {
	for _, c := range []struct {
		name, text string
		want       place.Number
		err        error
	}{
		{"one digit", "7", 7, nil},
		{"nothing alone", "0", 0, nil},
		{"six digits", "987654", 987654, nil},
		{"a zero between", "605", 605, nil},
		{"empty", "", 0, place.ErrNoDigits},
		{"a letter for a zero", "5o3", 0, place.ErrNotDigits},
		{"a sign", "-3", 0, place.ErrNotDigits},
		{"digits of another script", "４２", 0, place.ErrNotDigits},
		{"leading zeros", "0072", 0, place.ErrLeadingZero},
		{"seven digits", "1234567", 0, place.ErrTooLong},
	} {
		t.Run(c.name, func(t *testing.T) {
			got, err := place.ParseNumber(c.text)
			if got != c.want || !errors.Is(err, c.err) {
				t.Errorf("ParseNumber(%q) = %d, %v; want %d, %v", c.text, got, err, c.want, c.err)
			}
		})
	}
}

func TestPlacesByName(t *testing.T) {
	for i, name := range []string{"ones", "tens", "hundreds", "thousands", "ten-thousands", "hundred-thousands", "millions"} {
		p, err := place.Parse(name)
		if err != nil || int(p) != i || p.String() != name {
			t.Errorf("Parse(%q) = %v, %v", name, p, err)
		}
	}
	if _, err := place.Parse("unit"); !errors.Is(err, place.ErrPlace) {
		t.Errorf("an unknown place gave %v", err)
	}
	if next, ok := place.Millions.Next(); ok {
		t.Errorf("millions has no next place, got %v", next)
	}
	if got := place.Place(9).String(); got != "place(9)" {
		t.Errorf("a place that is none is called %q", got)
	}
}

func TestWords(t *testing.T) {
	for _, c := range []struct {
		n          place.Number
		plain, and string
	}{
		{0, "zero", "zero"},
		{7, "seven", "seven"},
		{13, "thirteen", "thirteen"},
		{20, "twenty", "twenty"},
		{42, "forty-two", "forty-two"},
		{100, "one hundred", "one hundred"},
		{506, "five hundred six", "five hundred and six"},
		{815, "eight hundred fifteen", "eight hundred and fifteen"},
		{1000, "one thousand", "one thousand"},
		{1006, "one thousand six", "one thousand and six"},
		{3825, "three thousand eight hundred twenty-five", "three thousand eight hundred and twenty-five"},
		{40_070, "forty thousand seventy", "forty thousand and seventy"},
		{120_500, "one hundred twenty thousand five hundred", "one hundred and twenty thousand five hundred"},
		{999_999, "nine hundred ninety-nine thousand nine hundred ninety-nine", "nine hundred and ninety-nine thousand nine hundred and ninety-nine"},
		{2_000_001, "two million one", "two million and one"},
	} {
		if got := c.n.Words(false); got != c.plain {
			t.Errorf("%d: %q, want %q", c.n, got, c.plain)
		}
		if got := c.n.Words(true); got != c.and {
			t.Errorf("%d with and: %q, want %q", c.n, got, c.and)
		}
	}
}

func TestTensFirst(t *testing.T) {
	for n, want := range map[place.Number]string{
		7: "seven", 10: "ten", 11: "ten-one", 13: "ten-three", 20: "two-tens", 24: "two-tens four", 47: "four-tens seven", 506: "five hundred six", 215: "two hundred ten-five",
		14_012: "ten-four thousand ten-two",
	} {
		if got := n.Spoken(place.Speech{TenAnd: true}); got != want {
			t.Errorf("%d: %q, want %q", n, got, want)
		}
	}
	said := map[string]place.Number{}
	for n := place.Number(0); n < 12_000; n++ {
		words := n.Spoken(place.Speech{And: true, TenAnd: true})
		if before, twice := said[words]; twice {
			t.Fatalf("%d and %d are both %q", before, n, words)
		}
		said[words] = n
	}
}

// No two numbers are said alike, and the and is all that differs between the sides.
func TestWordsDiffer(t *testing.T) {
	said := map[string]place.Number{}
	for n := place.Number(0); n < 20_000; n++ {
		words := n.Words(true)
		if before, twice := said[words]; twice {
			t.Fatalf("%d and %d are both %q", before, n, words)
		}
		said[words] = n
		if bare := strings.ReplaceAll(" "+words, " and ", " "); strings.TrimSpace(bare) != n.Words(false) {
			t.Fatalf("%d: %q is not %q with its ands", n, words, n.Words(false))
		}
	}
}

func TestNumberLaws(t *testing.T) {
	rng := rand.New(rand.NewPCG(3, 1))
	for range 5_000 {
		n := place.Number(rng.IntN(10_000_000))
		if n.Length() != len(n.String()) {
			t.Fatalf("%d has %d digits", n, n.Length())
		}
		sum := place.Number(0)
		for _, part := range n.Expanded() {
			sum += part
			if part.DigitSum() > 9 || part == 0 {
				t.Fatalf("%d has the part %d", n, part)
			}
		}
		if sum != n {
			t.Fatalf("the parts of %d make %d", n, sum)
		}
	}
}

func TestColumns(t *testing.T) {
	for _, c := range []struct {
		name    string
		numbers []place.Number
		want    string
	}{
		{"no swap", []place.Number{42, 25}, "ones 7; tens 6"},
		{"one swap", []place.Number{47, 25}, "ones 12 gives 1; tens 7"},
		{"a blank with a carry into it", []place.Number{374, 62}, "ones 6; tens 13 gives 1; hundreds 4"},
		{"a swap made by a swap", []place.Number{157, 145}, "ones 12 gives 1; tens 10 gives 1 made; hundreds 3"},
		{"a new place", []place.Number{67, 58}, "ones 15 gives 1; tens 12 gives 1; hundreds 1"},
		{"two tens at once", []place.Number{28, 19, 15}, "ones 22 gives 2; tens 6"},
		{"two new places", []place.Number{9, 9, 9, 9, 9, 9, 9, 9, 9, 9, 9, 9}, "ones 108 gives 10; tens 10 gives 1 made; hundreds 1"},
		{"nothing", nil, ""},
	} {
		t.Run(c.name, func(t *testing.T) {
			var told []string
			for _, col := range place.Columns(c.numbers) {
				line := fmt.Sprintf("%v %d", col.Place, col.Count)
				if col.Swaps {
					line += fmt.Sprintf(" gives %d", col.Out)
				}
				if col.Made {
					line += " made"
				}
				told = append(told, line)
			}
			if got := strings.Join(told, "; "); got != c.want {
				t.Errorf("got %q, want %q", got, c.want)
			}
		})
	}
}

func ExampleNumber_Expanded() {
	fmt.Println(place.Number(4_070).Expanded(), place.Number(4_070).Words(true))
	// Output: [4000 70] four thousand and seventy
}

func FuzzParseNumber(f *testing.F) {
	for _, seed := range []string{"0", "47", "007", "-3", "1e3", "999999", "５"} {
		f.Add(seed)
	}
	f.Fuzz(func(t *testing.T, text string) {
		if n, err := place.ParseNumber(text); err == nil && n.String() != text {
			t.Errorf("%q was read as %d", text, n)
		}
	})
}

func TestTheOrderOfDigits(t *testing.T) {
	for _, c := range []struct {
		name   string
		digits []int
		want   []int
		first  int
		why    place.Why
	}{
		{"two as written", []int{3, 8}, []int{3, 8}, 0, place.AsWritten},
		{"a nothing is no digit to order", []int{3, 0, 7}, []int{3, 0, 7}, 0, place.AsWritten},
		{"two make ten", []int{8, 9, 2}, []int{8, 2, 9}, 2, place.MakeTen},
		{"the first two that do", []int{6, 7, 3, 4}, []int{6, 4, 7, 3}, 2, place.MakeTen},
		{"three make ten", []int{2, 9, 5, 3}, []int{2, 5, 3, 9}, 3, place.MakeTen},
		{"two rather than three", []int{1, 2, 7, 3}, []int{7, 3, 2, 1}, 2, place.MakeTen},
		{"doubles", []int{6, 9, 6}, []int{6, 6, 9}, 2, place.Doubles},
		{"the larger double", []int{2, 9, 9, 2}, []int{9, 9, 2, 2}, 2, place.Doubles},
		{"five and five make ten", []int{5, 1, 5}, []int{5, 5, 1}, 2, place.MakeTen},
		{"largest first", []int{2, 9, 4}, []int{9, 4, 2}, 0, place.LargestFirst},
		{"written so already", []int{9, 4, 2}, []int{9, 4, 2}, 0, place.AsWritten},
		{"nothing last", []int{0, 2, 9, 4}, []int{9, 4, 2, 0}, 0, place.LargestFirst},
		{"none", nil, nil, 0, place.AsWritten},
	} {
		got := place.Column{Digits: c.digits}.Reckoning()
		if !slices.Equal(got.Digits, c.want) || got.First != c.first || got.Why != c.why {
			t.Errorf("%s: %v are added as %+v", c.name, c.digits, got)
		}
	}
}

// An order loses no digit, keeps what it says of its first digits, and leaves the
// digits that it is asked about alone.
func TestOrdersOfDigitsHold(t *testing.T) {
	rng := rand.New(rand.NewPCG(10, 10))
	for range 5_000 {
		digits := make([]int, 2+rng.IntN(5))
		for i := range digits {
			digits[i] = rng.IntN(10)
		}
		before := slices.Clone(digits)
		got := place.Column{Digits: digits}.Reckoning()
		first, sum := got.Digits[:got.First], 0
		for _, d := range first {
			sum += d
		}
		switch {
		case !slices.Equal(digits, before), !slices.Equal(slices.Sorted(slices.Values(digits)), slices.Sorted(slices.Values(got.Digits))):
			t.Fatalf("%v became %v", before, got)
		case got.Why == place.MakeTen && sum != 10, got.Why == place.Doubles && (got.First != 2 || first[0] != first[1]), (got.Why == place.MakeTen || got.Why == place.Doubles) != (got.First > 0):
			t.Fatalf("%v: %+v", before, got)
		case got.Why == place.LargestFirst && !slices.IsSortedFunc(got.Digits, func(a, b int) int { return b - a }):
			t.Fatalf("%v: %+v", before, got)
		}
	}
}

// Number words from zero to one hundred twenty are read as they are said, in plain words
// and by their tens; what is nearly one is found, and what is none is not.
func TestReadWords(t *testing.T) {
	numbers := []place.Number{1_000, 1_001, 1_100, 10_000, 11_011, 100_000, 100_001, 305_040, 999_999}
	for n := range place.Number(2_000) {
		numbers = append(numbers, n)
	}
	rng := rand.New(rand.NewPCG(17, 4))
	for range 3_000 {
		numbers = append(numbers, place.Number(rng.IntN(1_000_000)))
	}
	for _, n := range numbers {
		for _, how := range []place.Speech{{}, {And: true}, {TenAnd: true}, {And: true, TenAnd: true}} {
			said := n.Spoken(how)
			for _, text := range []string{said, strings.ToUpper(said), strings.ReplaceAll(said, "-", " ")} {
				if back, known := place.ReadWords(text); !known || back != n {
					t.Fatalf("%d is said %q and read as %d", n, text, back)
				}
			}
		}
	}
	for text, want := range map[string]string{"fifteeen": "fifteen", "fourty": "forty", "twelv": "twelve", "three hundrd fiv": "three hundred five", "apple": "", "": "", "hundred": "", "twelve hundred": "", "five three": "", "thousand": "", "zero hundred": ""} {
		if _, known := place.ReadWords(text); known {
			t.Errorf("%q is read", text)
		}
		if near, found := place.NearestWords(text); found != (want != "") || found && near != want {
			t.Errorf("%q is nearly %q", text, near)
		}
	}
}

// Every number to 999,999 is made again by its cards, and read again from its words, in
// every way in which a class may say them.
func TestEveryNumber(t *testing.T) {
	ways := []place.Speech{{}, {And: true}, {TenAnd: true}, {And: true, TenAnd: true}}
	for n := range place.Number(1_000_000) {
		sum := place.Number(0)
		for _, card := range n.Expanded() {
			sum += card
		}
		if sum != n {
			t.Fatalf("the cards of %d make %d", n, sum)
		}
		how := ways[int(n)%len(ways)]
		if n < 2_000 || n%1_009 == 0 {
			for _, how = range ways {
				if back, known := place.ReadWords(n.Spoken(how)); !known || back != n {
					t.Fatalf("%d is said %q and read as %d", n, n.Spoken(how), back)
				}
			}
			continue
		}
		if back, known := place.ReadWords(n.Spoken(how)); !known || back != n {
			t.Fatalf("%d is said %q and read as %d", n, n.Spoken(how), back)
		}
	}
}
