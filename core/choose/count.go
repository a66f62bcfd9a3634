package choose

import (
	"math/big"
	"math/bits"
	"math/rand/v2"
)

// Count is a whole number of problems below 2^128: six numbers of six digits
// have 10^36. The zero value is none.
type Count struct{ hi, lo uint64 }

// CountOf returns n as a Count.
func CountOf(n uint64) Count { return Count{lo: n} }

// IsZero tells whether there is none.
func (c Count) IsZero() bool { return c == Count{} }

// Less tells whether c is smaller than d.
func (c Count) Less(d Count) bool { return c.hi < d.hi || c.hi == d.hi && c.lo < d.lo }

// Big returns the count as a big integer.
func (c Count) Big() *big.Int {
	n := new(big.Int).SetUint64(c.hi)
	return n.Lsh(n, 64).Or(n, new(big.Int).SetUint64(c.lo))
}

// String writes the count in digits.
func (c Count) String() string { return c.Big().String() }

// MarshalJSON writes the count as text, since it may be larger than a number of the
// readers can be.
func (c Count) MarshalJSON() ([]byte, error) { return []byte(`"` + c.String() + `"`), nil }

// Plus adds two counts; together they stay below 2^128.
func (c Count) Plus(d Count) Count {
	lo, carry := bits.Add64(c.lo, d.lo, 0)
	hi, _ := bits.Add64(c.hi, d.hi, carry)
	return Count{hi, lo}
}

// Minus takes away a count that is no larger.
func (c Count) Minus(d Count) Count {
	lo, borrow := bits.Sub64(c.lo, d.lo, 0)
	hi, _ := bits.Sub64(c.hi, d.hi, borrow)
	return Count{hi, lo}
}

// times multiplies by a number of digit tuples, at most 10^6.
func (c Count) times(n uint64) Count {
	over, lo := bits.Mul64(c.lo, n)
	return Count{c.hi*n + over, lo}
}

func (c Count) compare(d Count) int {
	switch {
	case c.Less(d):
		return -1
	case d.Less(c):
		return 1
	}
	return 0
}

// below draws a uniform count smaller than n, which is not zero.
func below(rng *rand.Rand, n Count) Count {
	if n.hi == 0 {
		return Count{lo: rng.Uint64N(n.lo)}
	}
	mask := ^uint64(0) >> bits.LeadingZeros64(n.hi)
	for {
		if c := (Count{rng.Uint64() & mask, rng.Uint64()}); c.Less(n) {
			return c
		}
	}
}

// Pick returns n different counts smaller than all, each set of them in each order as likely
// as any other; all of them, mixed, where there are fewer. The same seed gives the same ones.
// It shuffles them as far as they are needed, keeping only those that have moved.
func Pick(all Count, n int, seed uint64) []Count {
	rng := rand.New(rand.NewPCG(seed, 0x76696e65))
	if all.Less(CountOf(uint64(n))) {
		n = int(all.lo)
	}
	moved := make(shuffle, n)
	picked := make([]Count, 0, n)
	for i := range uint64(n) {
		first := CountOf(i)
		j := first.Plus(below(rng, all))
		picked = append(picked, moved.at(j))
		moved[j] = moved.at(first)
		all = all.Minus(CountOf(1))
	}
	return picked
}

// shuffle is a list of counts of which only the moved ones are kept.
type shuffle map[Count]Count

func (m shuffle) at(i Count) Count {
	if to, ok := m[i]; ok {
		return to
	}
	return i
}
