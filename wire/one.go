package wire

import (
	"fmt"
	"math"
	"slices"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/crowd"
	"vineswap/core/group"
	"vineswap/core/ladder"
	"vineswap/core/number"
	"vineswap/core/place"
	"vineswap/core/say"
	"vineswap/core/setting"
	"vineswap/core/trace"
)

// oneOf makes a number that is asked alone with all that its picture needs.
func oneOf(class setting.Class, a number.Asked) (One, error) {
	w := class.Words()
	t, err := number.Solve(a, class.Method())
	if err != nil {
		return One{}, err
	}
	work, _ := number.Worked(t)
	nth, _, things := say.ThingOf(a)
	parts, cord := w.Parts(a.Number)
	out := One{
		Number: int(a.Number), Shown: string(a.Shown), Answered: string(a.Answered), ShownName: say.Shown(a.Shown), AnsweredName: say.Answered(a.Answered), Given: w.Given(a), Question: w.Question(a),
		Scene: string(t.Scene), Tens: a.Tens(), Ones: a.Ones(), Parts: []WordPart{}, Cord: string(cord), Thing: nth, Things: things, Drawn: work.Drawn, Pairs: work.Filled == trace.ByPairs,
		Digits: []Written{}, Cards: ints(a.Number.Expanded()), Frames: work.Frames, Choices: []Picture{}, InRing: []string{}, Slips: []SlipSay{},
	}
	for _, p := range a.Places() {
		out.Digits = append(out.Digits, Written{p.String(), a.Number.Digit(p)})
	}
	for _, p := range parts {
		out.Parts = append(out.Parts, WordPart{p.Text, p.Place.String(), p.Changed, p.Own})
	}
	for _, n := range work.Choices {
		p := Picture{Number: int(n), Tens: int(n) / 10, Ones: int(n) % 10, Frames: []int{}}
		for left := int(n); left > 0; left -= 10 {
			p.Frames = append(p.Frames, min(10, left))
		}
		out.Choices = append(out.Choices, p)
	}
	if t.Scene == number.InCrowd {
		for n := range int(a.Number) + 1 {
			out.InRing = append(out.InRing, w.InRing(n))
		}
	}
	if t.Scene == number.InBoxes {
		out.Boxes = &BoxesSay{Last: []string{}, Heap: []string{}, Zero: say.NothingInZero, Alone: say.LastBoxAlone}
		for n := range int(a.Number) + 1 {
			out.Boxes.Last = append(out.Boxes.Last, w.LastBox(n))
			out.Boxes.Heap = append(out.Boxes.Heap, w.InHeap(n))
		}
	}
	if c, lies := work.Layout(); lies {
		made := crowdOf(c)
		out.Crowd = &made
	}
	for _, wrong := range a.Wrong() {
		answer, says := a.Write(wrong.Answer), say.Slip(wrong.Slip)
		i := slices.IndexFunc(out.Slips, func(s SlipSay) bool { return s.Says == says })
		if i < 0 {
			out.Slips = append(out.Slips, SlipSay{answer, says})
		} else {
			out.Slips[i].Answer += " or " + answer
		}
	}
	return out, nil
}

// crowdOf makes a crowd with the outlines of its rings.
func crowdOf(c crowd.Crowd) Crowd {
	out := Crowd{Width: crowd.Width, Height: crowd.Height, Apart: tenth(c.Apart), Ten: crowd.Ten, Things: []Spot{}, Rings: [][]int{}, Hulls: [][]Spot{}, Tens: []Spot{}}
	for _, t := range c.Things {
		out.Things = append(out.Things, Spot{tenth(t.X), tenth(t.Y), tenth(t.R)})
	}
	for k, ring := range c.Rings {
		out.Rings = append(out.Rings, ring)
		var spots []crowd.Spot
		for _, i := range ring {
			spots = append(spots, crowd.Spot{X: c.Things[i].X, Y: c.Things[i].Y})
		}
		hull := []Spot{}
		for _, s := range crowd.Hull(spots) {
			hull = append(hull, Spot{tenth(s.X), tenth(s.Y), tenth(c.Ring())})
		}
		out.Hulls = append(out.Hulls, hull)
		out.Tens = append(out.Tens, Spot{tenth(c.Tens[k].X), tenth(c.Tens[k].Y), tenth(c.Tens[k].R)})
	}
	return out
}

// tenth rounds to a tenth of a px.
func tenth(x float64) float64 { return math.Round(10*x) / 10 }

// numbersOf reads numbers that crossed the wire.
func numbersOf(list []int) []place.Number {
	out := make([]place.Number, len(list))
	for i, n := range list {
		out[i] = place.Number(n)
	}
	return out
}

// OneChoiceOf reads which numbers are asked for.
func OneChoiceOf(ask ChooseOne) number.Choice {
	c := number.Choice{Stage: choose.StageID(ask.Stage), Digits: ask.Digits, Zeros: number.Zeros(ask.Zeros)}
	if ask.Numbers != nil {
		c.Numbers = numbersOf(ask.Numbers)
	}
	for _, shown := range ask.Shown {
		c.Shown = append(c.Shown, number.Shown(shown))
	}
	for _, answered := range ask.Answered {
		c.Answered = append(c.Answered, number.Answered(answered))
	}
	return c
}

// ChosenOneOf makes a choice with its count and some of those that were not asked lately.
func ChosenOneOf(class setting.Class, c number.Choice, space number.Space, lately []number.Asked, count int, seed uint64) (ChosenOne, error) {
	w := class.Words()
	options, err := number.OptionsOf(c.Stage, class.Range.Limit())
	if err != nil {
		return ChosenOne{}, err
	}
	ways := c.Ways()
	out := ChosenOne{
		Fits: space.Count(), Left: space.Count() - len(lately), Says: say.NumbersInWays(c.Count(), len(ways)), Lately: say.AskedLately(len(lately)), Numbers: []Toggle{}, Digits: []Toggle{}, Zeros: []Toggle{}, Shown: []Toggle{}, Answered: []Toggle{},
		Ways: []OneWay{}, Problems: []Sum{}, Choice: ChooseOne{Stage: string(c.Stage), Numbers: ints(c.Numbers), Digits: c.Digits, Zeros: string(c.Zeros), Shown: []string{}, Answered: []string{}}, Seed: fmt.Sprint(seed),
	}
	for _, d := range options.Digits {
		out.Digits = append(out.Digits, Toggle{ID: fmt.Sprint(d), Name: say.Digits(d), On: slices.Contains(c.Digits, d)})
	}
	for _, z := range options.Zeros {
		out.Zeros = append(out.Zeros, Toggle{ID: string(z), Name: say.Zeros(z), On: z == c.Zeros})
	}
	for _, n := range options.Numbers {
		t := Toggle{ID: n.String(), Name: w.Numeral(n), On: slices.Contains(c.Numbers, n)}
		if n > 10 && n < 20 {
			_, cord := w.Parts(n)
			t.Cord = string(cord)
		}
		out.Numbers = append(out.Numbers, t)
	}
	for _, s := range options.Shown {
		out.Shown = append(out.Shown, Toggle{ID: string(s), Name: say.Shown(s), On: slices.Contains(c.Shown, s)})
	}
	for _, a := range options.Answered {
		out.Answered = append(out.Answered, Toggle{ID: string(a), Name: say.Answered(a), On: slices.Contains(c.Answered, a)})
	}
	for _, s := range c.Shown {
		out.Choice.Shown = append(out.Choice.Shown, string(s))
	}
	for _, a := range c.Answered {
		out.Choice.Answered = append(out.Choice.Answered, string(a))
	}
	for _, way := range ways {
		out.Ways = append(out.Ways, OneWay{string(way.Shown), string(way.Answered), way.Numbers})
	}
	for _, a := range space.Draw(count, seed, lately) {
		sum, err := TaskOf(class, a.Task(), c.Stage)
		if err != nil {
			return out, err
		}
		out.Problems = append(out.Problems, sum)
	}
	return out, nil
}

// StandsOf makes who needs which stage.
func StandsOf(class ladder.Class, children []group.Child, today book.Day) Stands {
	out := Stands{map[string]Stand{}}
	for _, strand := range ladder.Strands() {
		for i, stage := range class.Stages(strand) {
			s := Stand{Ready: []Learner{}, Wobbling: []Learner{}, Far: true}
			for _, c := range children {
				leaf := c.Vine(strand, today)[i]
				s.Far = s.Far && leaf.State == ladder.NotYet
				switch leaf.State {
				case ladder.Ready:
					s.Ready = append(s.Ready, Learner{c.ID, c.Name})
				case ladder.Wobbling:
					s.Wobbling = append(s.Wobbling, Learner{c.ID, c.Name})
				case ladder.Secure, ladder.Passed, ladder.CheckAgain:
					s.Secure++
				}
			}
			s.All = len(children) > 0 && s.Secure == len(children)
			out.Stages[string(stage.ID)] = s
		}
	}
	return out
}
