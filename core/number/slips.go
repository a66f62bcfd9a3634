package number

import (
	"slices"

	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/slip"
	"vineswap/core/task"
)

// counted are the ways of showing a number in which it is counted.
var counted = []Shown{Things, Frames, Covered, Handful, Pieces, Crowd, Rows, Drawn, Rack10, Rack20, Rack100, Fingers, Bundles}

// heard are those in which it is heard or read as a word.
var heard = []Shown{Word, Said}

// Wrong lists what the slips that apply give, the common ones first. Two of them may give
// the same.
func (a Asked) Wrong() []task.Wrong {
	l := wrongs{right: a.Right()}
	n := a.Number
	switch a.Answered {
	case CountBack:
		l.add(slip.OneOff, lastBox-1, true)
		l.add(slip.OneOff, lastBox+1, true)
	case HowMany:
		l.add(slip.ValueForTens, n-n%10, true)
		l.add(slip.DigitForTens, n/10%10, n >= 100)
	case InParts:
		l.put(slip.DigitsNotValues, bare(n), n >= 11)
		l.add2(slip.PlacesSwapped, n/10, n%10*10, n >= 11 && n <= 99)
	case ToTen:
		l.add(slip.OneOff, 10-n-1, n < 10)
		l.add(slip.OneOff, 10-n+1, true)
	case Join: // those of adding
		return problem.SumOf(n, a.With[0]).Task().Wrong()
	case InUnits, Match, Hundreds, Rename, Sign, Decides, Order: // no slip of its own
	default:
		l.single(a)
	}
	return l.all
}

// single lists the slips of giving one number.
func (l *wrongs) single(a Asked) {
	n := a.Number
	if slices.Contains(counted, a.Shown) && !a.large() {
		l.add(slip.OneOff, n-1, n > 0)
		l.add(slip.OneOff, n+1, true)
	}
	l.add(slip.TenSaidTwice, n-1, a.Shown == Covered)
	l.of(slip.DigitsReversed, slip.Reversed, n)
	if slices.Contains(heard, a.Shown) || a.Answered == Say {
		l.of(slip.TyForTeen, slip.Ty, n)
		l.of(slip.TeenForTy, slip.Teen, n)
	}
	if a.Answered == Write || a.Answered == Ring {
		l.of(slip.WritesParts, slip.Parts, n)
		l.of(slip.WritesHundreds, slip.Hundreds, n)
	}
	l.of(slip.ZeroLeftOut, slip.LeftOut, n)
	l.of(slip.ZeroPutIn, slip.PutIn, n)
	l.add(slip.TensForValue, n/10, a.Shown == Units && n%10 == 0)
	l.of(slip.OnesOnly, slip.TeenOnes, n)
}

// bare are the digits of a number's parts without what they are worth.
func bare(n place.Number) task.Answer {
	digits := task.Answer{}
	for p := n.Top(); p >= place.Ones; p-- {
		if d := n.Digit(p); d > 0 {
			digits = append(digits, place.Number(d))
		}
	}
	return digits
}

// wrongs gathers what slips give, where it is not right.
type wrongs struct {
	right task.Answer
	all   []task.Wrong
}

func (l *wrongs) of(id slip.ID, gives func(place.Number) (place.Number, bool), n place.Number) {
	wrong, applies := gives(n)
	l.add(id, wrong, applies)
}

func (l *wrongs) add(id slip.ID, wrong place.Number, applies bool) {
	l.put(id, task.Answer{wrong}, applies)
}

func (l *wrongs) add2(id slip.ID, first, second place.Number, applies bool) {
	l.put(id, task.Answer{first, second}, applies)
}

func (l *wrongs) put(id slip.ID, answer task.Answer, applies bool) {
	if applies && !answer.Equal(l.right) {
		l.all = append(l.all, task.Wrong{Slip: id, Answer: answer})
	}
}
