package choose

import (
	"vineswap/core/place"
	"vineswap/core/problem"
)

// Bounds of what one column can hold.
const (
	mostOwn  = 6 * 9 // the sum of a column's own digits
	tenOver  = 10    // where a column swaps
	topDigit = 9     // the largest digit
)

// slot is one digit of a column: whose, and which digits may stand there.
type slot struct{ number, low, high int }

// profile is what a filled column shows to the step that follows it.
type profile struct {
	own        int  // the sum of its digits
	zero       bool // a 0 is among them
	ten, twin  bool // two of them make ten; two are alike
	top, lower int  // of taking: what stands there and what goes
	single     int  // of sharing and trays: the digit; of the second number, how many
}

// column is one column of the numbers that are chosen, as an automaton that is
// fed its digits one after another. Layer j has a node for each thing worth
// remembering after j digits; the nodes of the last layer have profiles.
type column struct {
	place place.Place
	by    bool // it is the second number of sharing and trays, and no column
	slots []slot
	feed  fed
	keys  int // keys of feed are smaller
	read  func(key uint32) profile
	asks  joinAsks // of joining: what it remembers for
	automaton
}

// joinAsks is what a joining column remembers digits for.
type joinAsks struct {
	pairs, zeros      bool
	makesTen, doubles Want
}

// node leads on by a digit to a node of the next layer; −1 where it may not.
type node struct {
	key  uint32
	next [topDigit + 1]int32
}

// fed is how a column remembers: the key after one more digit, or false where the
// digit may not stand. The key of nothing is 0.
type fed func(key uint32, slot, digit int) (uint32, bool)

// remembers says how the column remembers what it is fed.
func (c *column) remembers(feed fed, keys int, read func(key uint32) profile) {
	c.feed, c.keys, c.read = feed, keys, read
}

// follow feeds the digits of numbers to the column, also such as are not drawn.
func (c *column) follow(numbers []place.Number) (profile, bool) {
	key, ok := uint32(0), true
	for j, s := range c.slots {
		if key, ok = c.feed(key, j, c.digit(numbers[s.number])); !ok {
			return profile{}, false
		}
	}
	return c.read(key), true
}

// build makes the nodes that are reached.
func (c *column) build() {
	index := make([]int32, c.keys) // of a key in the layer that is made, plus one
	ways := []uint64{1}
	c.layers = append(c.layers, []node{{}})
	for j, s := range c.slots {
		var next []node
		var reached []uint64
		for i := range c.layers[j] {
			n := &c.layers[j][i]
			for d := range n.next {
				n.next[d] = -1
				if d < s.low || d > s.high {
					continue
				}
				key, ok := c.feed(n.key, j, d)
				if !ok {
					continue
				}
				if index[key] == 0 {
					next, reached = append(next, node{key: key}), append(reached, 0)
					index[key] = int32(len(next))
				}
				n.next[d] = index[key] - 1
				reached[n.next[d]] += ways[i]
			}
		}
		for _, n := range next {
			index[n.key] = 0
		}
		c.layers, ways = append(c.layers, next), reached
	}
	c.ways = ways
	for _, n := range c.layers[len(c.slots)] {
		c.profiles = append(c.profiles, c.read(n.key))
	}
}

// The key of a joining column: its own sum, then flags, then the digits seen.
const (
	ownBits  = 6
	zeroFlag = 1 << ownBits
	tenFlag  = zeroFlag << 1
	twinFlag = tenFlag << 1
	seenBits = ownBits + 3
	joinKeys = 1 << seenBits
)

// joining makes a column of addends. Which digits were seen is remembered only
// where pairs are asked for, in the ones, and no longer than it is needed.
func (c *column) joining(choice *Choice) {
	ones := c.place == place.Ones
	pairs := ones && (choice.MakesTen != Any || choice.Doubles != Any)
	zeros := choice.Zeros == Yes || choice.ZeroAt[c.place] != Any
	keys := joinKeys
	if c.asks = (joinAsks{zeros: zeros}); pairs {
		c.asks.pairs, c.asks.makesTen, c.asks.doubles = true, choice.MakesTen, choice.Doubles
		keys <<= topDigit + 1
	}
	feed := func(key uint32, slot, digit int) (uint32, bool) {
		if !choice.Facts.allow(int(key&(zeroFlag-1))%tenOver, digit) {
			return 0, false
		}
		key += uint32(digit)
		if digit == 0 {
			if zeros {
				key |= zeroFlag
			}
			return c.forgets(key, slot), true
		}
		if !pairs {
			return key, true
		}
		seen := key >> seenBits
		if seen>>(tenOver-digit)&1 == 1 {
			key |= tenFlag
		}
		if seen>>digit&1 == 1 {
			key |= twinFlag
		}
		if choice.MakesTen == No && key&tenFlag > 0 || choice.Doubles == No && key&twinFlag > 0 {
			return 0, false
		}
		if done(choice.MakesTen, key&tenFlag) && done(choice.Doubles, key&twinFlag) {
			return key & (joinKeys - 1), true
		}
		return c.forgets(key|1<<(seenBits+digit), slot), true
	}
	c.remembers(feed, keys, func(key uint32) profile {
		return profile{own: int(key & (zeroFlag - 1)), zero: key&zeroFlag > 0, ten: key&tenFlag > 0, twin: key&twinFlag > 0}
	})
}

// done tells whether a wish for a pair needs no more looking.
func done(want Want, found uint32) bool { return want == Any || want == Yes && found > 0 }

// forgets drops the digits seen after the last one.
func (c *column) forgets(key uint32, slot int) uint32 {
	if slot == len(c.slots)-1 {
		return key & (joinKeys - 1)
	}
	return key
}

// taking makes a column of the larger number's digit and, where it has one, the
// smaller's.
func (c *column) taking() {
	const pair = tenOver + 1
	c.remembers(func(key uint32, slot, digit int) (uint32, bool) {
		return key*pair + uint32(digit) + 1, true
	}, pair*pair, func(key uint32) profile {
		if len(c.slots) == 1 {
			return profile{top: int(key) - 1}
		}
		return profile{top: int(key)/pair - 1, lower: int(key)%pair - 1}
	})
}

// single makes a column of one digit.
func (c *column) single() {
	c.remembers(func(_ uint32, _, digit int) (uint32, bool) { return uint32(digit) + 1, true }, tenOver+1, func(key uint32) profile {
		return profile{single: int(key) - 1}
	})
}

// columns makes the columns of a choice in the order in which they are worked:
// from the ones up, in sharing from the highest down; the second number of
// sharing and trays comes first.
func (c *Choice) columns() []column {
	var all []column
	if c.kind() == problem.Sharing || c.kind() == problem.Trays {
		by := column{by: true, slots: []slot{{number: 1, low: fewestBy, high: mostBy}}}
		if c.By > 0 {
			by.slots[0].low, by.slots[0].high = c.By, c.By
		}
		by.single()
		all = append(all, by)
	}
	for i := range c.Top() + 1 {
		p := i
		if c.kind() == problem.Sharing {
			p = c.Top() - i
		}
		all = append(all, c.column(p))
	}
	return all
}

func (c *Choice) column(p place.Place) column {
	col := column{place: p}
	for number, digits := range c.Digits {
		if int(p) >= digits {
			continue
		}
		s := slot{number: number, high: topDigit}
		if int(p) == digits-1 || c.noZero(number, p) {
			s.low = 1
		}
		if c.Laid && !p.HasPiece() {
			s.high = -1 // no number with a digit here can be laid out
		}
		col.slots = append(col.slots, s)
	}
	switch c.kind() {
	case problem.Sum:
		col.joining(c)
	case problem.Difference:
		col.taking()
	default:
		col.single()
	}
	return col
}

// noZero tells whether a number may have no 0 in a place. In taking the smaller
// number is free.
func (c *Choice) noZero(number int, p place.Place) bool {
	if c.kind() == problem.Difference && number > 0 {
		return false
	}
	return c.Zeros == No || c.ZeroAt[p] == No
}
