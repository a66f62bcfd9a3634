package wire

import (
	"fmt"

	"vineswap/core/choose"
	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/say"
	"vineswap/core/setting"
)

// wantsAt are the wishes of a choice for places, by the field of Choose.
func wantsAt(c *choose.Choice, ask *Choose) map[string]struct {
	wants *choose.Wants
	asked *map[string]string
} {
	type pair = struct {
		wants *choose.Wants
		asked *map[string]string
	}
	return map[string]pair{"swap": {&c.Swap, &ask.Swap}, "made": {&c.Made, &ask.Made}, "several": {&c.Several, &ask.Several}, "exact": {&c.Exact, &ask.Exact}, "zeroAt": {&c.ZeroAt, &ask.ZeroAt}}
}

// wants are the other wishes, by the field of Choose.
func wants(c *choose.Choice, ask *Choose) map[string]struct {
	want  *choose.Want
	asked *string
} {
	type pair = struct {
		want  *choose.Want
		asked *string
	}
	return map[string]pair{"zeros": {&c.Zeros, &ask.Zeros}, "cross": {&c.Cross, &ask.Cross}, "row": {&c.Row, &ask.Row}, "rest": {&c.Rest, &ask.Rest}, "makesTen": {&c.MakesTen, &ask.MakesTen}, "doubles": {&c.Doubles, &ask.Doubles}}
}

// FieldError is what is wrong with one field of what is asked for.
type FieldError struct {
	Field string
	Err   error
}

func (e *FieldError) Error() string { return e.Field + ": " + e.Err.Error() }

func (e *FieldError) Unwrap() error { return e.Err }

// ChoiceOf reads what is asked for; an error is a *FieldError.
func ChoiceOf(ask Choose) (choose.Choice, error) {
	c := choose.Choice{Stage: choose.StageID(ask.Stage), Digits: ask.Digits, By: ask.By, Groups: ask.Groups, Most: place.Number(ask.Most)}
	var err error
	if c.Kind, err = choose.ParseKind(ask.Kind); err != nil {
		return c, &FieldError{"kind", err}
	}
	if c.Facts, err = choose.ParseFacts(ask.Facts); err != nil {
		return c, &FieldError{"facts", err}
	}
	for field, at := range wantsAt(&c, &ask) {
		for name, wish := range *at.asked {
			p, err := place.Parse(name)
			if err != nil {
				return c, &FieldError{field, err}
			}
			if at.wants[p], err = choose.ParseWant(wish); err != nil {
				return c, &FieldError{field, err}
			}
		}
	}
	for field, is := range wants(&c, &ask) {
		if *is.asked == "" {
			continue
		}
		if *is.want, err = choose.ParseWant(*is.asked); err != nil {
			return c, &FieldError{field, err}
		}
	}
	for _, by := range []struct {
		field string
		asked map[string]int
		set   func(p place.Place, n int)
	}{{"limit", ask.Limit, func(p place.Place, n int) { c.Limit[p] = n }}, {"gives", ask.Gives, func(p place.Place, n int) { c.Gives[p] = n }}} {
		for name, n := range by.asked {
			p, err := place.Parse(name)
			if err != nil {
				return c, &FieldError{by.field, err}
			}
			by.set(p, n)
		}
	}
	if _, err := choose.ParseStage(ask.Stage); ask.Fit && err == nil {
		c.Digits = c.Stage.Fit(ask.Digits)
		if c.Zeros == choose.No && c.Stage.NeedsZero() { // set for another stage
			c.Zeros = choose.Any
		}
	}
	c.Laid = laid(c)
	return c, nil
}

// laid tells whether numbers of these lengths are meant for the mat: longer ones
// are worked in cards and column.
func laid(c choose.Choice) bool {
	for _, d := range c.Digits {
		if d > mostWithPieces {
			return false
		}
	}
	return true
}

// mostWithPieces is how many digits a number may have that is laid out.
const mostWithPieces = int(place.TopPiece) + 1

// AskOf is the inverse of ChoiceOf.
func AskOf(c choose.Choice) Choose {
	ask := Choose{Kind: string(c.Kind), Stage: string(c.Stage), Digits: c.Digits, By: c.By, Most: int(c.Most), Swap: map[string]string{}, Groups: c.Groups, Facts: string(c.Facts)}
	for _, at := range wantsAt(&c, &ask) {
		for p, want := range at.wants {
			if want == choose.Any {
				continue
			}
			if *at.asked == nil {
				*at.asked = map[string]string{}
			}
			(*at.asked)[place.Place(p).String()] = want.String()
		}
	}
	for _, is := range wants(&c, &ask) {
		*is.asked = is.want.String()
	}
	ask.Limit, ask.Gives = byPlace(c.Limit), byPlace(c.Gives)
	return ask
}

// byPlace are the counts of places that have one; nil without any.
func byPlace(counts [place.Count]int) map[string]int {
	var out map[string]int
	for p, n := range counts {
		if n == 0 {
			continue
		}
		if out == nil {
			out = map[string]int{}
		}
		out[place.Place(p).String()] = n
	}
	return out
}

// ChosenOf makes the strip and some problems; the choice must be valid.
func ChosenOf(class setting.Class, c choose.Choice, space *choose.Space, problems [][]place.Number, seed uint64) (Chosen, error) {
	w := class.Words()
	out := Chosen{
		Fits: space.Fits().String(), Problems: []Sum{}, Mends: []Mend{}, Lanes: []Lane{}, Knots: []Knot{}, Seed: fmt.Sprint(seed), Choice: AskOf(c), Lengths: lengthsOf(c),
		Says: w.Choice(c), LeftOut: say.LeftOut(space.LeftOut()), Finer: finerOf(w, c),
	}
	for _, k := range c.Knots() {
		out.Knots = append(out.Knots, knotOf(w, c, k))
	}
	lanes, by := space.Lanes()
	out.By = by.List()
	for _, lane := range lanes {
		made := Lane{Place: lane.Place.String(), Sum: lane.Sum.List()}
		for _, digits := range lane.Number {
			made.Numbers = append(made.Numbers, digits.List())
		}
		out.Lanes = append(out.Lanes, made)
	}
	for _, numbers := range problems {
		sum, err := SumOf(class, problem.Of(c.Kind, numbers...), c.Stage)
		if err != nil {
			return out, err
		}
		out.Problems = append(out.Problems, sum)
	}
	if clash, mends := c.Conflict(); len(clash) > 0 {
		out.Clash = w.Clash(c.Kind, clash)
		for _, m := range mends {
			out.Mends = append(out.Mends, Mend{w.Mend(c.Kind, m), m.Fits.String(), AskOf(m.Choice)})
		}
	}
	return out, nil
}

func lengthsOf(c choose.Choice) []Length {
	var out []Length
	for _, l := range c.Lengths() {
		out = append(out, Length{l.Least, l.Most})
	}
	return out
}

func knotOf(w say.Words, c choose.Choice, k choose.Tie) Knot {
	out := Knot{
		Place: k.Place.String(), Name: w.Boundary(c.Kind, k.Place), Tied: k.Tied.String(), ByStage: k.ByStage, Counts: map[string]string{},
		Made: c.Made[k.Place].String(), Several: c.Several[k.Place].String(), Exact: c.Exact[k.Place].String(),
	}
	for want, n := range k.Counts {
		out.Counts[choose.Want(want).String()] = n.String()
	}
	return out
}

// finerOf lists what can be asked for besides the knots: for each place, then for
// the whole.
func finerOf(w say.Words, c choose.Choice) []Ask {
	ask := Choose{}
	out := []Ask{}
	at, whole := wantsAt(&c, &ask), wants(&c, &ask)
	for p := range c.Top() + 1 {
		for _, f := range []struct {
			field string
			kind  choose.WishKind
		}{{"made", choose.ByBelow}, {"several", choose.AtOnce}, {"exact", choose.ToNothing}, {"zeroAt", choose.ZeroHere}} {
			if f.kind.Suits(c.Kind) && (f.kind != choose.ByBelow || p > place.Ones) && (f.kind != choose.AtOnce || c.MostGiven() > 1) {
				out = append(out, askWant(w.WishName(c.Kind, f.kind, p), f.field, f.kind, p.String(), at[f.field].wants[p]))
			}
			if f.kind == choose.AtOnce && c.MostGiven() > 1 && choose.Given.Suits(c.Kind) {
				out = append(out, askGiven(w, c, p))
			}
		}
	}
	for _, f := range []struct {
		field string
		kind  choose.WishKind
	}{{"zeros", choose.Zero}, {"cross", choose.Crossing}, {"row", choose.InARow}, {"rest", choose.Remainder}, {"makesTen", choose.Tens}, {"doubles", choose.Twins}} {
		if f.kind.Suits(c.Kind) {
			out = append(out, askWant(w.WishName(c.Kind, f.kind, place.Ones), f.field, f.kind, "", *whole[f.field].want))
		}
	}
	if choose.Limited.Suits(c.Kind) {
		facts := Ask{ID: "facts", Name: w.WishName(c.Kind, choose.Limited, place.Ones), Now: string(c.Facts)}
		for _, f := range choose.FactLimits() {
			facts.Sides = append(facts.Sides, AskSide{string(f), say.FactName(f)})
		}
		out = append(out, facts)
	}
	most := Ask{ID: "most", Name: w.WishName(c.Kind, choose.UpTo, place.Ones), Now: fmt.Sprint(int(c.Most)), Sides: []AskSide{{"0", say.RangeName("")}}}
	for _, r := range choose.Ranges() {
		most.Sides = append(most.Sides, AskSide{string(r), say.RangeName(r)})
	}
	out = append(out, most)
	if choose.Sharers.Suits(c.Kind) {
		by := Ask{ID: "by", Name: w.WishName(c.Kind, choose.Sharers, place.Ones), Now: fmt.Sprint(c.By), Sides: []AskSide{{"0", "any"}}}
		for n := 2; n <= 9; n++ {
			by.Sides = append(by.Sides, AskSide{fmt.Sprint(n), fmt.Sprint(n)})
		}
		out = append(out, by)
	}
	return out
}

// askGiven asks how many a place gives up exactly.
func askGiven(w say.Words, c choose.Choice, p place.Place) Ask {
	ask := Ask{ID: "gives", Place: p.String(), Name: w.WishName(c.Kind, choose.Given, p), Now: fmt.Sprint(c.Gives[p]), Sides: []AskSide{{"0", "any"}}}
	for n := 1; n <= c.MostGiven(); n++ {
		ask.Sides = append(ask.Sides, AskSide{fmt.Sprint(n), fmt.Sprint(n)})
	}
	return ask
}

func askWant(name, field string, kind choose.WishKind, at string, now choose.Want) Ask {
	ask := Ask{ID: field, Place: at, Name: name, Now: now.String()}
	for _, want := range []choose.Want{choose.No, choose.Any, choose.Yes} {
		ask.Sides = append(ask.Sides, AskSide{want.String(), say.WishSide(kind, want)})
	}
	return ask
}
