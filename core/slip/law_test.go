package slip_test

import (
	"math/rand/v2"
	"slices"
	"strconv"
	"testing"

	"vineswap/core/place"
	"vineswap/core/slip"
)

// seeded draws the numbers of a problem: two, or of a sum at times three.
func seeded(rng *rand.Rand, o slip.Operation) []place.Number {
	number := func() place.Number {
		n := 0
		for range 1 + rng.IntN(4) { // one digit in three is 0
			n = 10*n + max(0, rng.IntN(14)-4)
		}
		return place.Number(n)
	}
	numbers := []place.Number{number(), number()}
	if o == slip.Take {
		slices.SortFunc(numbers, func(a, b place.Number) int { return int(b - a) })
	} else if rng.IntN(3) == 0 {
		numbers = append(numbers, number())
	}
	return numbers
}

func operations() []slip.Operation { return []slip.Operation{slip.Add, slip.Take} }

// habits are the right procedure, each slip and each pair.
func habits() [][]slip.ID {
	all := [][]slip.ID{nil}
	for _, o := range operations() {
		for _, id := range slip.Of(o) {
			all = append(all, []slip.ID{id})
		}
	}
	for _, p := range slip.Pairs() {
		all = append(all, p[:])
	}
	return all
}

// What stands under the line is the answer, each column once, and what is carried and
// crossed out was so: the right procedure's columns are those of the work.
func TestWhatIsWrittenIsTheAnswer(t *testing.T) {
	rng := rand.New(rand.NewPCG(3, 5))
	for range 300 {
		for _, o := range operations() {
			numbers := seeded(rng, o)
			for _, ids := range habits() {
				p := slip.New(ids...)
				answer, ok := p.Answer(o, numbers)
				w, wrote := p.Write(o, numbers)
				if ok != wrote {
					t.Fatalf("%v of %v: answered %t, written %t", ids, numbers, ok, wrote)
				}
				if !ok {
					continue
				}
				text := ""
				for _, c := range slices.Backward(w.Columns) {
					text += c.Result
				}
				if read, err := strconv.Atoi(text); err != nil || read != answer || w.Answer != answer {
					t.Fatalf("%v of %v: %q is written, %d answered", ids, numbers, text, answer)
				}
			}
		}
	}
}

// The right procedure carries and crosses out what the columns of the work say.
func TestTheRightProcedure(t *testing.T) {
	rng := rand.New(rand.NewPCG(8, 1))
	for range 2_000 {
		for _, o := range operations() {
			numbers := seeded(rng, o)
			w, ok := slip.New().Write(o, numbers)
			columns := place.Columns(numbers)
			if o == slip.Take {
				columns = place.TakingColumns(numbers[0], numbers[1])
			}
			for i, c := range w.Columns {
				if o == slip.Add && c.Carried != columns[i].In {
					t.Fatalf("%v: %d is carried to %v, wanted %d", numbers, c.Carried, columns[i].Place, columns[i].In)
				}
				if last := len(c.Tops) - 1; o == slip.Take && last >= 0 && c.Tops[last] != columns[i].Count {
					t.Fatalf("%v: %v stands at the %v, wanted %d last", numbers, c.Tops, columns[i].Place, columns[i].Count)
				}
			}
			if !ok {
				t.Fatalf("%v cannot be worked", numbers)
			}
		}
	}
}

// A wrong fact changes the right answer by what its column is worth, or not at all.
func TestAWrongFact(t *testing.T) {
	rng := rand.New(rand.NewPCG(2, 6))
	for range 2_000 {
		for _, o := range operations() {
			numbers := seeded(rng, o)
			p := slip.New()
			right, _ := p.Answer(o, numbers)
			f := slip.Fact{Column: rng.IntN(4), Off: []int{-2, -1, 1, 2}[rng.IntN(4)]}
			wrong, ok := p.AnswerWith(f, o, numbers)
			reaches := f.Column <= int(place.HighestOf(numbers))
			if want := right + f.Off*place.Place(f.Column).Unit(); ok && reaches && wrong != want {
				t.Fatalf("%v with %v: %d, wanted %d", numbers, f, wrong, want)
			}
			if ok && !reaches && wrong != right {
				t.Fatalf("%v has no such column, and %v gives %d", numbers, f, wrong)
			}
		}
	}
}

// Two slips that come together replace different parts, whatever their order; as many as
// the definitions leave: some 66 in taking.
func TestPairsOfSlips(t *testing.T) {
	pairs, rng := slip.Pairs(), rand.New(rand.NewPCG(5, 5))
	taking := 0
	for _, p := range pairs {
		own := 0
		for range 800 {
			for _, o := range operations() {
				numbers := seeded(rng, o)
				both, ok := slip.New(p[0], p[1]).Answer(o, numbers)
				turned, turnedOK := slip.New(p[1], p[0]).Answer(o, numbers)
				if both != turned || ok != turnedOK {
					t.Fatalf("%v of %v depends on the order", p, numbers)
				}
				first, _ := slip.New(p[0]).Answer(o, numbers)
				second, _ := slip.New(p[1]).Answer(o, numbers)
				if ok && both != first && both != second {
					own++
				}
			}
		}
		if own == 0 {
			t.Errorf("%v give nothing of their own in 800 problems", p)
		}
		if slices.Contains(slip.Of(slip.Take), p[0]) && slices.Contains(slip.Of(slip.Take), p[1]) {
			taking++
		}
	}
	if taking < 60 || taking > 70 {
		t.Errorf("%d pairs in taking, %d in all", taking, len(pairs))
	}
	for _, none := range [][2]slip.ID{
		{"adds-instead", "ten-for-nothing"}, {"smaller-from-larger", "ten-without-own"}, {"drops-new-ten", "writes-both-digits"}, {"drops-new-ten", "ten-for-nothing"},
	} {
		if slices.Contains(pairs, none) || slices.Contains(pairs, [2]slip.ID{none[1], none[0]}) {
			t.Errorf("%v cannot come together", none)
		}
	}
}

func BenchmarkProcedure(b *testing.B) {
	p := slip.New("smaller-from-larger")
	numbers := []place.Number{5032, 1278}
	for b.Loop() {
		p.Answer(slip.Take, numbers)
	}
}

func BenchmarkProcedureAdding(b *testing.B) {
	p := slip.New("drops-new-ten")
	numbers := []place.Number{5032, 1278}
	for b.Loop() {
		p.Answer(slip.Add, numbers)
	}
}
