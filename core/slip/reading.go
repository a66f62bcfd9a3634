package slip

import (
	"slices"
	"strconv"
	"strings"

	"vineswap/core/place"
)

// The slips of reading, writing, building and counting one number. Two of them can give
// the same answer; both are then held possible.
const (
	DigitsReversed  ID = "digits-reversed"
	TyForTeen       ID = "ty-for-teen"
	TeenForTy       ID = "teen-for-ty"
	WritesParts     ID = "writes-parts"
	ValueForTens    ID = "value-for-tens"
	TensForValue    ID = "tens-for-value"
	DigitForTens    ID = "digit-for-tens"
	OnesOnly        ID = "ones-only"
	DigitsNotValues ID = "digits-not-values"
	PlacesSwapped   ID = "places-swapped"
	OneOff          ID = "one-off"
	TenSaidTwice    ID = "ten-said-twice"

	WritesHundreds ID = "writes-hundreds-then-rest"
	ZeroLeftOut    ID = "zero-left-out"
	ZeroPutIn      ID = "zero-put-in"

	LeftoverDropped ID = "leftover-dropped" // of sharing
	EqualsAsDoIt    ID = "equals-as-do-it"
	DigitMirrored   ID = "digit-mirrored" // a guide marks it; no answer tells it
)

var registered = []ID{
	DigitsReversed, OneOff, TyForTeen, TeenForTy, WritesParts, WritesHundreds, ZeroLeftOut, ZeroPutIn, ValueForTens,
	TensForValue, DigitForTens, OnesOnly, DigitsNotValues, PlacesSwapped, TenSaidTwice, EqualsAsDoIt, LeftoverDropped,
}

// Register makes slips of another kind of task known, before anything is judged.
func Register(ids ...ID) { registered = append(registered, ids...) }

// Others returns the slips that an answer can tell and that are none of written adding and
// taking, common ones first.
func Others() []ID { return slices.Clone(registered) }

// LeftOver sets aside and forgets what cannot be dealt in a place: 20 and 2 left over for
// 72 among 3.
func LeftOver(n, sharers place.Number) (each, rest place.Number, applies bool) {
	unit := place.Number(1)
	for left := n; left > 0; left /= 10 {
		each += left % 10 / sharers * unit
		unit *= 10
	}
	rest = n % 10 % sharers
	return each, rest, each != n/sharers || rest != n%sharers
}

// DoIt takes a missing part after = for the sum: 12 for 7 + 5 = □ + 4.
func DoIt(before []place.Number, after place.Number) (wrong place.Number, applies bool) {
	for _, n := range before {
		wrong += n
	}
	return wrong, after > 0
}

// Reversed gives the digits of a number in reverse; not where it ends in 0 or reads the
// same both ways.
func Reversed(n place.Number) (wrong place.Number, applies bool) {
	for rest := n; rest > 0; rest /= 10 {
		wrong = 10*wrong + rest%10
	}
	return wrong, n%10 != 0 && wrong != n
}

// Ty gives -ty for -teen, 13 to 19: 40 for 14.
func Ty(n place.Number) (wrong place.Number, applies bool) { return n % 10 * 10, n >= 13 && n <= 19 }

// Teen gives -teen for -ty, 30 to 90: 14 for 40.
func Teen(n place.Number) (wrong place.Number, applies bool) {
	return 10 + n/10, n >= 30 && n <= 90 && n%10 == 0
}

// Parts writes each part of the expanded form in full: 100207 for 127, 406 for 46. It
// does not apply to a number of one part, and to one that would be too long to write.
func Parts(n place.Number) (wrong place.Number, applies bool) {
	parts := n.Expanded()
	text := ""
	for _, p := range parts {
		text += p.String()
	}
	w, err := strconv.Atoi(text)
	return place.Number(w), err == nil && len(parts) > 1 && len(text) <= place.MostDigits+1
}

// TeenOnes gives the ones of a teen number: 9 for 19.
func TeenOnes(n place.Number) (wrong place.Number, applies bool) {
	return n % 10, n >= 11 && n <= 19
}

// Hundreds writes the hundreds in full, then the rest as a number: 10027 for 127. It
// applies to three digits with a rest.
func Hundreds(n place.Number) (wrong place.Number, applies bool) {
	rest := n % 100
	w, err := strconv.Atoi((n - rest).String() + rest.String())
	return place.Number(w), err == nil && n >= 100 && n <= 999 && rest > 0
}

// LeftOut leaves out the zeros between digits: 65 for 605, 640 for 6040.
func LeftOut(n place.Number) (wrong place.Number, applies bool) {
	text, ended := n.String(), 0
	for ended < len(text) && text[len(text)-1-ended] == '0' {
		ended++
	}
	w, err := strconv.Atoi(strings.ReplaceAll(text[:len(text)-ended], "0", "") + text[len(text)-ended:])
	return place.Number(w), err == nil && place.Number(w) != n
}

// PutIn puts one zero after the highest digit of three digits or more: 3045 for 345.
func PutIn(n place.Number) (wrong place.Number, applies bool) {
	unit := place.Number(n.Top().Unit())
	return n/unit*unit*10 + n%unit, n >= 100
}
