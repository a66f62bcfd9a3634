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
