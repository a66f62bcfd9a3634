package place

import "strings"

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

// mostRead is how far number words are read.
const mostRead Number = 120

// readable are the number words up to mostRead, plain, with and, and by their tens.
var readable = func() map[string]Number {
	words := map[string]Number{}
	for n := Number(0); n <= mostRead; n++ {
		for _, how := range []Speech{{}, {And: true}, {TenAnd: true}} {
			words[unhyphened(n.Spoken(how))] = n
		}
	}
	return words
}()

func unhyphened(text string) string {
	return strings.Join(strings.Fields(strings.ReplaceAll(strings.ToLower(text), "-", " ")), " ")
}

// ReadWords reads a number word from zero to one hundred twenty, with or without its
// hyphen; false for anything else.
func ReadWords(text string) (Number, bool) {
	n, known := readable[unhyphened(text)]
	return n, known
}

// NearestWords finds the number word that a text may be meant for, one or two letters off;
// false where there is none.
func NearestWords(text string) (string, bool) {
	text = unhyphened(text)
	best, off := Number(0), 3
	for n := Number(0); n <= mostRead; n++ {
		if d := distance(text, unhyphened(n.Words(false))); d < off {
			best, off = n, d
		}
	}
	return best.Words(false), off < 3
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
