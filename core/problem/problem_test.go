package problem_test

import (
	"errors"
	"fmt"
	"slices"
	"testing"

	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/slip"
)

func TestParse(t *testing.T) {
	for _, c := range []struct {
		name, text, want string
		err              error
	}{
		{"two numbers", "47+25", "47+25", nil},
		{"spaces", " 47 +  25 ", "47+25", nil},
		{"six numbers", "1+2+3+4+5+6", "1+2+3+4+5+6", nil},
		{"nothing", "", "", place.ErrNoDigits},
		{"unfinished", "47+", "", place.ErrNoDigits},
		{"nothing before", "+25", "", place.ErrNoDigits},
		{"a gap", "47++25", "", place.ErrNoDigits},
		{"one number", "47", "", problem.ErrAddends},
		{"seven numbers", "1+2+3+4+5+6+7", "", problem.ErrAddends},
		{"letters", "abc", "", place.ErrNotDigits},
		{"negative", "-3+4", "", place.ErrNotDigits},
		{"leading zeros", "0047+25", "", place.ErrLeadingZero},
		{"too many digits", "1234567+1", "", place.ErrTooLong},
		{"taking away", "62-38", "62-38", nil},
		{"a printed minus", " 62 − 38", "62-38", nil},
		{"the smaller first", "3-5", "", problem.ErrLarger},
		{"taking twice", "9-3-2", "", problem.ErrTwo},
		{"taking nothing written", "9-", "", place.ErrNoDigits},
		{"sharing", "97 / 4", "97/4", nil},
		{"a printed division", "96÷4", "96/4", nil},
		{"grouping", "78:6", "78:6", nil},
		{"equal trays", "213*3", "213*3", nil},
		{"a printed times", "213 × 3", "213*3", nil},
		{"how many come first", "4×23", "23*4", nil},
		{"with a letter", "4x23", "23*4", nil},
		{"both could be how many", "3×4", "4*3", nil},
		{"and with a star", "3*4", "3*4", nil},
		{"only the first can be", "4*23", "23*4", nil},
		{"spaces that do not break", "47 + 25", "47+25", nil},
		{"a long dash", "62 – 38", "62-38", nil},
		{"another", "62—38", "62-38", nil},
		{"printed for sharing", "85 ÷ 4", "85/4", nil},
		{"shared by nobody", "8/0", "", problem.ErrSharers},
		{"by one alone", "8/1", "", problem.ErrSharers},
		{"by twelve", "8/12", "", problem.ErrSharers},
		{"shared twice", "96/4/2", "", problem.ErrTwo},
		{"ten groups", "12*10", "", problem.ErrSharers},
		{"grouping without end", "1000:2", "", problem.ErrGrouped},
		{"two operations", "97/4*2", "", problem.ErrOperation},
		{"mixed", "2+3-1", "", problem.ErrOperation},
		{"a number with a gap", "4 7+2", "", place.ErrNotDigits},
	} {
		t.Run(c.name, func(t *testing.T) {
			p, err := problem.Parse(c.text)
			if !errors.Is(err, c.err) || err == nil && p.String() != c.want {
				t.Errorf("Parse(%q) = %v, %v; want %q, %v", c.text, p, err, c.want, c.err)
			}
			var placed *problem.ExpressionError
			if err != nil && !errors.As(err, &placed) {
				t.Errorf("%v does not say where", err)
			}
		})
	}
}

func TestParseSaysWhere(t *testing.T) {
	for text, at := range map[string]int{"47+2y": 3, "47+2x": 4, "47+ 0025": 4, "12-3y": 3, "12+30-4": 5} {
		_, err := problem.Parse(text)
		var placed *problem.ExpressionError
		if !errors.As(err, &placed) || placed.At != at {
			t.Errorf("%q: %v, wanted the mistake at %d", text, err, at)
		}
	}
}

// What is right, what is read of an answer, and what a problem shows.
func TestProblems(t *testing.T) {
	for text, c := range map[string]struct{ result, shows string }{
		"47+25":   {"72", "[swap/ones]"},
		"57+48":   {"105", "[swap/ones swap/tens made/tens]"},
		"42+25":   {"67", "[]"},
		"62-38":   {"24", "[swap/ones]"},
		"503-128": {"375", "[swap/ones swap/tens]"},
		"523-128": {"395", "[swap/ones swap/tens made/tens]"},
		"97/4":    {"24 r 1", "[swap/tens swap/ones]"},
		"96/4":    {"24", "[swap/tens]"},
		"78:6":    {"13", "[]"},
		"26*3":    {"78", "[swap/ones]"},
	} {
		p, err := problem.Parse(text)
		if err != nil {
			t.Fatal(err)
		}
		if p.Result() != c.result || fmt.Sprint(p.Shows()) != c.shows {
			t.Errorf("%s gives %s and shows %v", text, p.Result(), p.Shows())
		}
	}
	if problem.SumOf(25, 47).Key() == problem.SumOf(47, 25).Key() {
		t.Error("the key forgets the order of the numbers")
	}
}

func TestReadAnAnswer(t *testing.T) {
	for text, want := range map[string]string{
		"72": "72", "0072": "72", " 72 ": "72", "0": "0", "000": "0", "24 r 1": "24 r 1", "24 remainder 1": "24 r 1", "24R1": "24 r 1", "24 r 0": "24", "1999998": "1999998",
		"": "", "  ": "", "seven": "", "7 2": "", "-3": "", "24 left 1": "", "24 rest": "", "rest 1": "", "99999999999999999999": "", "７２": "",
	} {
		p := problem.Of(problem.Sharing, 97, 4)
		got, read := p.Read(text)
		if read != (want != "") || read && p.Write(got) != want {
			t.Errorf("%q is read as %v, %t", text, got, read)
		}
	}
}

func FuzzReadAnswer(f *testing.F) {
	for _, seed := range []string{"72", "0072", "", "x", "\xff", "999999999999", "24 r 1", "r", "3rest"} {
		f.Add(seed)
	}
	f.Fuzz(func(t *testing.T, text string) {
		p := problem.Of(problem.Sharing, 97, 4)
		a, read := p.Read(text)
		if !read {
			return
		}
		again, read := p.Read(p.Write(a))
		if !read || !again.Equal(a) {
			t.Errorf("%q is read as %v, which is read as %v", text, a, again)
		}
	})
}

// Each kind has its own slips or none: 93 is no slip of sharing, though it is 97
// less 4.
func TestSlipsBelongToTheirKind(t *testing.T) {
	for text, c := range map[string]struct {
		answer string
		want   []slip.ID
	}{
		"97/4":  {"93", []slip.ID{}},
		"97/5":  {"11 r 2", []slip.ID{slip.LeftoverDropped}},
		"97:4":  {"101", []slip.ID{}},
		"26*3":  {"68", []slip.ID{"drops-new-ten"}}, // three trays are joined
		"62-38": {"36", []slip.ID{"smaller-from-larger"}},
		"47+25": {"62", []slip.ID{"drops-new-ten"}},
	} {
		p, err := problem.Parse(text)
		if err != nil {
			t.Fatal(err)
		}
		if got := p.Task().Explains(c.answer); !slices.Equal(got, c.want) {
			t.Errorf("%s answered %s is explained by %v", text, c.answer, got)
		}
	}
}

func FuzzParse(f *testing.F) {
	for _, seed := range []string{"47+25", "", "+", "1+2+3+4+5+6+7", " 9 + 9 ", "47-25", "９+1", "1+\xff", "999999+999999", "78:6", "213×3", "97 ÷ 4", "5−3", "8/0", "2+3-1", "3-5", "1:2:3", ":", "6*"} {
		f.Add(seed)
	}
	f.Fuzz(func(t *testing.T, text string) {
		p, err := problem.Parse(text)
		if err != nil {
			if err.Error() == "" {
				t.Error("an error without words")
			}
			return
		}
		again, err := problem.Parse(p.String())
		if err != nil || again.Key() != p.Key() {
			t.Errorf("%q was read as %v, which is read as %v, %v", text, p, again, err)
		}
	})
}
