package place

import "strings"

var (
	smallWords = [20]string{
		"zero", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten",
		"eleven", "twelve", "thirteen", "fourteen", "fifteen", "sixteen", "seventeen", "eighteen", "nineteen",
	}
	tensWords = [10]string{"", "", "twenty", "thirty", "forty", "fifty", "sixty", "seventy", "eighty", "ninety"}
)

// Words says a number: "five hundred six", or with and "five hundred and six".
// The and stands before the tens and ones of a number that has hundreds or
// more, and in the thousands likewise.
func (n Number) Words(and bool) string {
	if n == 0 {
		return smallWords[0]
	}
	var said []string
	for _, group := range []struct {
		unit Number
		name string
	}{{1_000_000, "million"}, {1_000, "thousand"}} {
		if n >= group.unit {
			said = append(said, (n/group.unit).belowThousand(and, false)+" "+group.name)
			n %= group.unit
		}
	}
	if n > 0 {
		said = append(said, n.belowThousand(and, len(said) > 0))
	}
	return strings.Join(said, " ")
}

// belowThousand says 1 to 999; follows tells that larger parts were said
// before it, so that an and is due before the tens and ones.
func (n Number) belowThousand(and, follows bool) string {
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
	if and && follows {
		said += "and "
	}
	return said + n.belowHundred()
}

func (n Number) belowHundred() string {
	if n < 20 {
		return smallWords[n]
	}
	if n%10 == 0 {
		return tensWords[n/10]
	}
	return tensWords[n/10] + "-" + smallWords[n%10]
}
