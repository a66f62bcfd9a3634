// Package say has the class's words for things, and the sentences that belong
// to the steps of a trace. The English of the work is made here.
package say

import (
	"cmp"
	"errors"
	"fmt"
	"slices"
	"strings"
	"unicode"
	"unicode/utf8"

	"vineswap/core/material"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/task"
)

// Words are the class's own words. The zero value is the default of every
// setting.
type Words struct {
	Swap   SwapWord
	Places PlaceWord
	And    bool // "five hundred and six" instead of "five hundred six"
	Digits DigitWord
	Teens  TeenWord
	Comma  Separator
	Bank   BankWord
	Adult  AdultWord
	Signs  SignWord
	Drawn  bool // the work is drawn, not laid out with pieces
}

// DigitWord is how a digit is said.
type DigitWord string

// The sides of DigitWord. The empty word is ByKind.
const (
	ByKind    DigitWord = "by-kind"    // "four tens"
	FaceValue DigitWord = "face-value" // "four"
)

// TeenWord is how the numbers after ten are said.
type TeenWord string

// The sides of TeenWord. The empty word is PlainTeens.
const (
	PlainTeens TeenWord = "plain"   // "thirteen"
	TenAnd     TeenWord = "ten-and" // "ten-three", and "two-tens"
)

// Separator stands between the thousands and the hundreds of a number.
type Separator string

// The sides of Separator. The empty one is NoSeparator.
const (
	NoSeparator Separator = "none"
	WithComma   Separator = "comma"
	WithSpace   Separator = "space"
)

// BankWord is what the shelf is called with which swaps are made.
type BankWord string

// The words for the bank. The empty word is Bank.
const (
	Bank  BankWord = "bank"
	Store BankWord = "store"
)

// AdultWord is what the adult is called who leads the lesson.
type AdultWord string

// The words for the adult. The empty word is Teacher.
const (
	Teacher AdultWord = "teacher"
	Guide   AdultWord = "guide"
)

// SignWord is how it is written which of two numbers is more.
type SignWord string

// The sides of SignWord. The empty word is InSigns.
const (
	InSigns SignWord = "signs" // 243 < 342
	InWords SignWord = "words" // 243 is less than 342
)

// SignWords returns the sides, the default first.
func SignWords() []SignWord { return []SignWord{InSigns, InWords} }

// compared writes that one thing is less than another, or more.
func (w Words) compared(first, second string, less bool) string {
	sign := map[bool][2]string{true: {"<", "is less than"}, false: {">", "is more than"}}[less]
	if w.Signs == InWords {
		return first + " " + sign[1] + " " + second
	}
	return first + " " + sign[0] + " " + second
}

// SignExample compares two numbers as the class does.
func (w Words) SignExample() string { return w.compared("243", "342", true) + "." }

// BankWords returns the words for the bank, the default first.
func BankWords() []BankWord { return []BankWord{Bank, Store} }

// AdultWords returns the words for the adult, the default first.
func AdultWords() []AdultWord { return []AdultWord{Teacher, Guide} }

// TheBank names the shelf with which swaps are made.
func (w Words) TheBank() string { return string(cmp.Or(w.Bank, Bank)) }

// TheAdult names who leads the lesson.
func (w Words) TheAdult() string { return string(cmp.Or(w.Adult, Teacher)) }

// DigitWords, TeenWords and Separators return the sides, the default first.
func DigitWords() []DigitWord { return []DigitWord{ByKind, FaceValue} }

// TeenWords returns the ways of saying teens.
func TeenWords() []TeenWord { return []TeenWord{PlainTeens, TenAnd} }

// Separators returns what can stand before the hundreds.
func Separators() []Separator { return []Separator{NoSeparator, WithComma, WithSpace} }

// ParseSide reads one of the sides of a setting of words.
func ParseSide[T ~string](text string, sides []T) (T, error) {
	if i := slices.Index(sides, T(text)); i >= 0 {
		return sides[i], nil
	}
	return "", fmt.Errorf("%w: %q; it can be one of %v", ErrWord, text, sides)
}

// Number says a number in words.
func (w Words) Number(n place.Number) string {
	return n.Spoken(place.Speech{And: w.And, TenAnd: w.Teens == TenAnd})
}

// Numeral writes a number in digits, with the separator before its hundreds.
func (w Words) Numeral(n place.Number) string {
	text := n.String()
	between := map[Separator]string{WithComma: ",", WithSpace: "\u00a0"}[w.Comma]
	for at := len(text) - 3; at > 0 && between != ""; at -= 3 {
		text = text[:at] + between + text[at:]
	}
	return text
}

// digit says a digit of a number: "four tens", or "four" by its face value.
func (w Words) digit(n int, p place.Place) string {
	if w.Digits == FaceValue {
		return w.Number(place.Number(n))
	}
	return w.Count(n, p)
}

// SwapWord is the class's word for the swap. It changes labels and sentences,
// never an id.
type SwapWord string

// The words for the swap. The empty word is Swap.
const (
	Swap     SwapWord = "swap"
	Trade    SwapWord = "trade"
	Exchange SwapWord = "exchange"
	Regroup  SwapWord = "regroup"
	Carry    SwapWord = "carry"
	Rename   SwapWord = "rename"

	borrow    SwapWord = "borrow"     // carry's other half, which is no setting of its own
	carryDown SwapWord = "carry-down" // and what is carried over in sharing
)

// PlaceWord is the class's words for places: the places' own names, or in the
// sentences of the work the names of the pieces.
type PlaceWord string

// The words for places. The empty word is Ones.
const (
	Ones   PlaceWord = "ones"   // ones, tens, hundreds
	Units  PlaceWord = "units"  // units, tens, hundreds
	Bars   PlaceWord = "beads"  // beads, bars, squares, cubes
	Sticks PlaceWord = "blocks" // small cubes, sticks, flats, big cubes
)

// ErrWord is wrapped by the error about a word that is no setting.
var ErrWord = errors.New("this cannot be chosen")

// SwapWords returns the words that can be set for the swap, the default first.
func SwapWords() []SwapWord { return []SwapWord{Swap, Trade, Exchange, Regroup, Carry, Rename} }

// PlaceWords returns the words that can be set for places, the default first.
func PlaceWords() []PlaceWord { return []PlaceWord{Ones, Units, Bars, Sticks} }

// forms are a swap word's shapes in sentences.
type forms struct {
	noun, nouns, with string // "swap", "swaps", "a swap"
	verb, done        string // "swap", "swapped"
	they              string // ten ones … one ten
	it                string // one ten … ten ones
	do                string // the same, asked for
}

var swapForms = map[SwapWord]forms{
	Swap:      {"swap", "swaps", "a swap", "swap", "swapped", "swap for", "swaps for", "swap for"},
	Trade:     {"trade", "trades", "a trade", "trade", "traded", "trade for", "trades for", "trade for"},
	Exchange:  {"exchange", "exchanges", "an exchange", "exchange", "exchanged", "are exchanged for", "is exchanged for", "exchange for"},
	Regroup:   {"regrouping", "regroupings", "a regrouping", "regroup", "regrouped", "regroup as", "regroups as", "regroup as"},
	Carry:     {"carry", "carries", "a carry", "carry", "carried over", "carry over as", "is borrowed as", "carry over as"},
	borrow:    {"borrow", "borrows", "a borrow", "borrow", "borrowed", "carry over as", "is borrowed as", "borrow"},
	carryDown: {"carry", "carries", "a carry", "carry", "carried over", "carry over as", "is carried over as", "carry over as"},
	Rename:    {"renaming", "renamings", "a renaming", "rename", "renamed", "are renamed as", "is renamed as", "rename as"},
}

// ParseSwapWord reads a word for the swap.
func ParseSwapWord(text string) (SwapWord, error) {
	return ParseSide(text, SwapWords())
}

// ParsePlaceWord reads words for places.
func ParsePlaceWord(text string) (PlaceWord, error) {
	return ParseSide(text, PlaceWords())
}

func (w Words) forms() forms {
	if w.Swap == "" {
		return swapForms[Swap]
	}
	return swapForms[w.Swap]
}

// down are the words for one of a place for ten of the place below. A class that
// carries borrows there.
func (w Words) down() Words {
	if w.Swap == Carry {
		w.Swap = borrow
	}
	return w
}

// For are the words in which the swaps of a kind of problem are named.
func (w Words) For(k task.Kind) Words {
	switch {
	case w.Swap != Carry || k == "" || k == problem.Sum || k == problem.Trays:
		return w
	case k == problem.Difference:
		return w.down()
	}
	w.Swap = carryDown
	return w
}

// NoSwap names a place that does not swap: "no swap".
func (w Words) NoSwap() string { return "no " + w.forms().noun }

// ASwap names one swap: "a swap", "an exchange".
func (w Words) ASwap() string { return w.forms().with }

// Swapped says what was done with one that was given for ten: "swapped", "borrowed".
func (w Words) Swapped() string { return w.down().forms().done }

// SwapNouns names several: "swaps", "carries".
func (w Words) SwapNouns() string { return w.forms().nouns }

// Swaps counts them: "no swap", "one swap", "two swaps".
func (w Words) Swaps(n int) string {
	switch n {
	case 0:
		return w.NoSwap()
	case 1:
		return "one " + w.forms().noun
	}
	return place.Number(n).Words(false) + " " + w.forms().nouns
}

// PlaceOne names one of a place: "one", "ten", "hundred".
func (w Words) PlaceOne(p place.Place) string { return strings.TrimSuffix(w.PlaceMany(p), "s") }

// PlaceMany names a place: "ones", "tens", "hundreds".
func (w Words) PlaceMany(p place.Place) string {
	if p == place.Ones && w.Places == Units {
		return string(Units)
	}
	return p.String()
}

// pieces names what lies in a place in the sentences of the work: as the place, or
// by the class's own word for its pieces.
func (w Words) pieces(p place.Place) string {
	if w.Places == Bars || w.Places == Sticks {
		if name := Piece(material.Kind(w.Places), p, 2); name != "" {
			return name
		}
	}
	return w.PlaceMany(p)
}

func (w Words) piece(p place.Place) string { return strings.TrimSuffix(w.pieces(p), "s") }

// Count says how many of a place, by kind: "no tens", "one ten", "four tens".
func (w Words) Count(n int, p place.Place) string {
	switch n {
	case 0:
		return "no " + w.pieces(p)
	case 1:
		return "one " + w.piece(p)
	}
	said := w.Number(place.Number(n))
	if n >= 20 || p > place.Ones {
		said = place.Number(n).Words(w.And) // "sixty ones": by their tens only what is counted on from ten
	}
	return said + " " + w.pieces(p)
}

var pieceNames = map[material.Kind][place.TopPiece + 1][2]string{
	material.Beads:    {{"bead", "beads"}, {"bar", "bars"}, {"square", "squares"}, {"cube", "cubes"}},
	material.Blocks:   {{"small cube", "small cubes"}, {"stick", "sticks"}, {"flat", "flats"}, {"big cube", "big cubes"}},
	material.Drawings: {{"dot", "dots"}, {"line", "lines"}, {"square", "squares"}, {"cube", "cubes"}},
}

// Piece names the piece of a place: "bar", "bars". Places above the thousands
// have none and give "".
func Piece(kind material.Kind, p place.Place, n int) string {
	if !p.HasPiece() {
		return ""
	}
	names := pieceNames[kind][p]
	if n == 1 {
		return names[0]
	}
	return names[1]
}

// Caution words a caution for a material; "" where the material does not call for
// it: what is drawn is neither small nor heavy.
func Caution(c material.Caution, kind material.Kind) string {
	switch c {
	case material.Splinters:
		return "Sticks can splinter: look at each before use, and count them back."
	case material.SmallThings:
		return "Counters are small parts. Count them out, count them back."
	}
	if kind.Drawn() && c != material.FreeWay {
		return ""
	}
	switch c {
	case material.SmallParts:
		return fmt.Sprintf("%s are small parts. Count them out, count them back.", capital(Piece(kind, place.Ones, 2)))
	case material.HeavyCube:
		return "The thousand cube is heavy: two hands, carried low."
	}
	return "Keep the way past the mat free."
}

// Listed writes names as in a sentence: "Wren A., Teo B. and Mina S.".
func Listed(words []string) string { return list(words) }

// list joins words as in a sentence: "2000, 400 and 8".
func list(words []string) string {
	switch n := len(words); n {
	case 0:
		return ""
	case 1:
		return words[0]
	default:
		return strings.Join(words[:n-1], ", ") + " and " + words[n-1]
	}
}

// capital writes the first letter large.
func capital(s string) string {
	if s == "" {
		return s
	}
	first, size := utf8.DecodeRuneInString(s)
	return string(unicode.ToUpper(first)) + s[size:]
}
