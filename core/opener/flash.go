package opener

import (
	"cmp"
	"errors"
	"fmt"
	"math/rand/v2"
	"slices"
	"time"

	"vineswap/core/book"
	"vineswap/core/number"
	"vineswap/core/place"
	"vineswap/core/rack"
)

// Flash is for how long, and how often, a number is shown before it is covered.
type Flash struct {
	Tenths int `json:"tenths"` // of a second, each time
	Times  int `json:"times"`
}

// Limits of a flash, in tenths of a second.
const (
	LeastTenths = 5
	MostTenths  = 50
	MostTimes   = 2
	Covered     = time.Second // between one showing and the next
)

// Errors of a flash.
var (
	ErrSeconds = errors.New("a flash lasts half a second to five seconds")
	ErrTimes   = errors.New("a flash is shown once or twice")
	ErrFlashed = errors.New("this cannot be flashed: a flash shows a rack, frames, a drawing, sticks, pieces, things or fingers")
)

// Valid tells why the flash cannot be shown; nil when it can.
func (f Flash) Valid() error {
	switch {
	case f.Tenths < LeastTenths || f.Tenths > MostTenths:
		return fmt.Errorf("%w, not %d.%d s", ErrSeconds, f.Tenths/10, f.Tenths%10)
	case f.Times < 1 || f.Times > MostTimes:
		return fmt.Errorf("%w, not %d times", ErrTimes, f.Times)
	}
	return nil
}

// Changes are the changes of light from the first showing on: shown, covered, shown again.
func (f Flash) Changes() []time.Duration {
	var list []time.Duration
	at := time.Duration(0)
	for range f.Times {
		list = append(list, at, at+time.Duration(f.Tenths)*time.Second/10)
		at = list[len(list)-1] + Covered
	}
	return list
}

// Flashed lists the ways of showing a number that can be flashed.
func Flashed() []number.Shown {
	return []number.Shown{number.Rack100, number.Rack20, number.Rack10, number.Frames, number.Drawn, number.Bundles, number.Pieces, number.Things, number.Fingers}
}

// most is the largest number that is flashed like this.
func most(s number.Shown) place.Number {
	switch s {
	case number.Rack10, number.Things, number.Fingers:
		return 10
	case number.Rack20:
		return 20
	case number.Frames:
		return number.MostInFrames
	}
	return 99
}

// least is the smallest: tens and ones are seen from ten on.
func least(s number.Shown) place.Number {
	if slices.Contains([]number.Shown{number.Drawn, number.Bundles, number.Pieces}, s) {
		return 11
	}
	return 2
}

// Glances lists in how many looks a number is seen that is shown like this, by the way of
// seeing it, the easiest first. Frames and hands are seen five by five like the rows of a rack;
// lines, bundles and pieces as tens, in fives, and then as ones.
func Glances(s number.Shown, n place.Number) []Glance {
	var all []Glance
	if r, on := (number.Asked{Number: n, Shown: s, Answered: number.Write}).Rack(); on {
		for _, seen := range r.Seen() {
			all = append(all, Glance{book.Way(seen.Way), len(seen.Looks)})
		}
	} else {
		all = append(all, glanceOf(s, n))
	}
	if len(all) == 0 {
		all = []Glance{{book.OneByOne, int(n)}}
	}
	return all
}

// Glance is a way of seeing a number, and the looks that it takes.
type Glance struct {
	Way   book.Way
	Looks int
}

// fives are the looks of some things that stand in rows of five.
func fives(n int) int { return (n + 4) / 5 }

func glanceOf(s number.Shown, n place.Number) Glance {
	tens, ones := int(n)/10, int(n)%10
	switch {
	case n <= 5:
		return Glance{book.AtOnce, 1}
	case s == number.Frames:
		return Glance{seenAs(tens), tens + fives(ones)}
	case tens == 0 || s == number.Things || s == number.Fingers:
		return Glance{book.FiveAndSome, fives(int(n))}
	}
	return Glance{book.TensThenOnes, fives(tens) + fives(ones)}
}

func seenAs(tens int) book.Way {
	if tens > 0 {
		return book.TensThenOnes
	}
	return book.FiveAndSome
}

// Climb draws numbers for a row of flashes: the first needs the fewest looks, and none fewer
// than the one before it; the last is among the hardest. Among numbers of as many looks those
// come first whose easiest way of seeing the fewest of the children here have named: known
// tells of a way how many did.
func Climb(s number.Shown, upTo place.Number, count int, seed uint64, known func(book.Way) int) []place.Number {
	type candidate struct {
		n     place.Number
		looks int
		named int
		way   int // with as many looks, backwards comes last
	}
	rng := rand.New(rand.NewPCG(seed, 0))
	var all []candidate
	for n := least(s); n <= max(least(s)+8, min(upTo, most(s))); n++ {
		first := Glances(s, n)[0]
		all = append(all, candidate{n, first.Looks, known(first.Way), slices.Index(rack.Ways(), rack.Way(first.Way))})
	}
	rng.Shuffle(len(all), func(i, j int) { all[i], all[j] = all[j], all[i] })
	slices.SortStableFunc(all, func(a, b candidate) int {
		return cmp.Or(cmp.Compare(a.looks, b.looks), cmp.Compare(a.named, b.named), cmp.Compare(a.way, b.way))
	})
	count = min(count, len(all))
	var list []place.Number
	for i := range count { // one out of each stretch of the climb
		at := i * len(all) / count
		// The first of as many looks that is in the stretch, or where the stretch begins.
		for k := at; k > 0 && all[k-1].looks == all[at].looks; k-- {
			if !slices.Contains(list, all[k-1].n) {
				at = k - 1
			}
		}
		for slices.Contains(list, all[at].n) {
			at++
		}
		list = append(list, all[at].n)
	}
	slices.SortStableFunc(list, func(a, b place.Number) int {
		return cmp.Or(cmp.Compare(Glances(s, a)[0].Looks, Glances(s, b)[0].Looks), cmp.Compare(known(Glances(s, a)[0].Way), known(Glances(s, b)[0].Way)))
	})
	return list
}
