package place

import (
	"slices"
	"strings"
)

var (
	smallWords = [20]string{
		"zero", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten",
		"eleven", "twelve", "thirteen", "fourteen", "fifteen", "sixteen", "seventeen", "eighteen", "nineteen",
	}
	tensWords = [10]string{"", "", "twenty", "thirty", "forty", "fifty", "sixty", "seventy", "eighty", "ninety"}
)

// Speech is how numbers are said.
type Speech struct {
	And    bool // "five hundred and six" instead of "five hundred six"
	TenAnd bool // "ten-three, two-tens four" instead of "thirteen, twenty-four"
}

// Words says a number: "five hundred six", or with and "five hundred and six".
func (n Number) Words(and bool) string { return n.Spoken(Speech{And: and}) }

// Spoken says a number. An and stands before the tens and ones of a number that
// has hundreds or more, and in the thousands likewise.
func (n Number) Spoken(how Speech) string {
	if n == 0 {
		return smallWords[0]
	}
	var said []string
	for _, group := range []struct {
		unit Number
		name string
	}{{1_000_000, "million"}, {1_000, "thousand"}} {
		if n >= group.unit {
			said = append(said, (n/group.unit).belowThousand(how, false)+" "+group.name)
			n %= group.unit
		}
	}
	if n > 0 {
		said = append(said, n.belowThousand(how, len(said) > 0))
	}
	return strings.Join(said, " ")
}

// belowThousand says 1 to 999; follows tells that larger parts were said
// before it, so that an and is due before the tens and ones.
func (n Number) belowThousand(how Speech, follows bool) string {
	said := ""
	if n >= 100 {
		said = smallWords[n/100] + " hundred"
		n, follows = n%100, true
	}
	if n == 0 {
		return said
	}
	if said != "" {
		said += " "
	}
	if how.And && follows {
		said += "and "
	}
	return said + n.belowHundred(how.TenAnd)
}

func (n Number) belowHundred(tenAnd bool) string {
	if tenAnd && n > 10 {
		return n.byTens()
	}
	if n < 20 {
		return smallWords[n]
	}
	if n%10 == 0 {
		return tensWords[n/10]
	}
	return tensWords[n/10] + "-" + smallWords[n%10]
}

// byTens says 11 to 99 by their tens: "ten-three", "two-tens", "four-tens seven".
func (n Number) byTens() string {
	ones := smallWords[n%10]
	switch {
	case n < 20:
		return "ten-" + ones
	case n%10 == 0:
		return smallWords[n/10] + "-tens"
	}
	return smallWords[n/10] + "-tens " + ones
}

// belowHundredRead are the words from one to ninety-nine, plain and by their tens.
var belowHundredRead = func() map[string]Number {
	words := map[string]Number{}
	for n := Number(1); n < 100; n++ {
		for _, tenAnd := range []bool{false, true} {
			words[unhyphened(n.belowHundred(tenAnd))] = n
		}
	}
	return words
}()

func unhyphened(text string) string {
	return strings.Join(strings.Fields(strings.ReplaceAll(strings.ToLower(text), "-", " ")), " ")
}

// ReadWords reads a number word of at most six digits, with or without its hyphens and
// each and; false for anything else.
func ReadWords(text string) (Number, bool) {
	text = unhyphened(text)
	if text == smallWords[0] {
		return 0, true
	}
	thousands, rest, many := strings.Cut(text, " thousand")
	if !many {
		return readBelowThousand(text)
	}
	n, known := readBelowThousand(thousands)
	if rest = strings.TrimSpace(rest); !known || rest == "" {
		return 1_000 * n, known
	}
	below, known := readBelowThousand(strings.TrimPrefix(rest, "and "))
	return 1_000*n + below, known
}

func readBelowThousand(text string) (Number, bool) {
	hundreds, rest, many := strings.Cut(text, " hundred")
	if !many {
		n, known := belowHundredRead[text]
		return n, known
	}
	n, known := belowHundredRead[hundreds]
	if rest = strings.TrimSpace(rest); n > 9 || !known || rest == "" {
		return 100 * n, known && n < 10
	}
	below, known := belowHundredRead[strings.TrimPrefix(rest, "and ")]
	return 100*n + below, known
}

// numberWords are the single words of which number words are made.
var numberWords = append(append(slices.Clone(smallWords[:]), tensWords[2:]...), "hundred", "thousand", "and", "tens")

// NearestWords finds the number word that a text may be meant for, each of its words one or
// two letters off; false where there is none.
func NearestWords(text string) (string, bool) {
	words := strings.Fields(unhyphened(text))
	for i, word := range words {
		best, off := "", 3
		for _, known := range numberWords {
			if d := distance(word, known); d < off {
				best, off = known, d
			}
		}
		words[i] = best
	}
	n, known := ReadWords(strings.Join(words, " "))
	return n.Words(false), known
}

// distance is how many letters are to be put in, left out or changed (Levenshtein).
func distance(a, b string) int {
	row := make([]int, len(b)+1)
	for j := range row {
		row[j] = j
	}
	for i := range len(a) {
		corner := row[0]
		row[0] = i + 1
		for j := range len(b) {
			change := corner
			if a[i] != b[j] {
				change++
			}
			corner = row[j+1]
			row[j+1] = min(change, row[j+1]+1, row[j]+1)
		}
	}
	return row[len(b)]
}
