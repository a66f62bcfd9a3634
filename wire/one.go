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
	"vineswap/core/piece"
	"vineswap/core/place"
	"vineswap/core/rack"
	"vineswap/core/rename"
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
	n := a.Said()
	parts, cord := w.Parts(n)
	out := One{
		Number: int(n), Shown: string(a.Shown), Answered: string(a.Answered), ShownName: say.Shown(a.Shown), AnsweredName: say.Answered(a.Answered), Given: w.Given(a), Question: w.Question(a),
		Scene: string(t.Scene), Tens: int(n) / 10, Ones: int(n) % 10, Parts: []WordPart{}, Cord: string(cord), Thing: nth, Things: things, Drawn: work.Drawn, Pairs: work.Filled == trace.ByPairs,
		Digits: []Written{}, Cards: ints(n.Expanded()), Frames: work.Frames, Choices: []Picture{}, InRing: []string{}, Slips: []SlipSay{}, Piles: []Written{}, Rows: []NumberRow{}, Keys: keysOf(w, a),
	}
	out.Digits = digitsOf(n)
	lies := a.Holding()
	for p := place.Thousands; p >= place.Ones; p-- {
		if lies.At(p) > 0 {
			out.Piles = append(out.Piles, Written{p.String(), lies.At(p)})
		}
	}
	if all := a.Numbers(); len(all) > 1 {
		for _, n := range all {
			out.Rows = append(out.Rows, NumberRow{int(n), w.Numeral(n), w.Number(n), digitsOf(n), ints(n.Expanded())})
		}
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
	if r, on := a.Rack(); on {
		made := rackOf(r, class.Rack)
		out.Rack = &made
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

// rackOf makes a rack with the ways of seeing what is pushed over.
func rackOf(r rack.Rack, side say.RackSide) RackSays {
	out := RackSays{Size: int(r.Size), Right: side == say.ToRight, Rows: r.Rows(), Pushes: say.Pushes(r.Pushes()), Fewest: r.Pushes(), Ways: []RackWay{}}
	for _, s := range r.Seen() {
		way := RackWay{string(s.Way), say.Seeing(s.Way), say.Looks(len(s.Looks)), []RackLook{}}
		for _, l := range s.Looks {
			way.Looks = append(way.Looks, RackLook(l))
		}
		out.Ways = append(out.Ways, way)
	}
	return out
}

// TraySaysOf says whether what lies on a tray is as a number asks. The error tells of a
// count that no tray has.
func TraySaysOf(class setting.Class, tray TrayLies) (TraySays, error) {
	var lies piece.Holding
	for name, n := range tray.Lies {
		p, err := place.Parse(name)
		if err != nil || p > place.TopPiece {
			return TraySays{}, fmt.Errorf("%q is no place that has pieces", name)
		}
		if n < 0 || n > rename.Most {
			return TraySays{}, fmt.Errorf("%w, not %d %s", number.ErrTray, n, p)
		}
		lies[piece.Of(p)] = int16(n)
	}
	n := place.Number(tray.Number)
	return TraySays{len(number.Fetched(n, lies)) == 0, class.Words().Fetched(n, lies)}, nil
}

// keysOf are the answers of one touch.
func keysOf(w say.Words, a number.Asked) []Key {
	keys := []Key{}
	for _, k := range w.Keys(a) {
		keys = append(keys, Key(k))
	}
	return keys
}

func digitsOf(n place.Number) []Written {
	out := []Written{}
	for p := n.Top(); p >= place.Ones; p-- {
		out = append(out, Written{p.String(), n.Digit(p)})
	}
	return out
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
	c := number.Choice{Stage: choose.StageID(ask.Stage), Digits: ask.Digits, Zeros: number.Zeros(ask.Zeros), Many: ask.Many}
	for _, s := range ask.Swaps {
		c.Swaps = append(c.Swaps, number.Swaps(s))
	}
	for _, d := range ask.Differ {
		c.Differ = append(c.Differ, number.Differ(d))
	}
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
	ways := space.Ways()
	out := ChosenOne{
		Fits: fmt.Sprint(space.Count()), Left: fmt.Sprint(space.Count() - len(lately)), Says: say.NumbersInWays(c.Count(), len(ways)), Lately: say.AskedLately(len(lately)), Numbers: []Toggle{}, Digits: []Toggle{}, Zeros: []Toggle{}, Swaps: []Toggle{}, Many: []Toggle{}, Differ: []Toggle{}, Shown: []Toggle{}, Answered: []Toggle{},
		Ways: []OneWay{}, Problems: []Sum{}, Choice: ChooseOne{Stage: string(c.Stage), Numbers: ints(c.Numbers), Digits: c.Digits, Zeros: string(c.Zeros), Many: c.Many, Shown: []string{}, Answered: []string{}}, Seed: fmt.Sprint(seed),
	}
	for _, d := range options.Digits {
		out.Digits = append(out.Digits, Toggle{ID: fmt.Sprint(d), Name: say.Digits(d), On: slices.Contains(c.Digits, d)})
	}
	for _, z := range options.Zeros {
		out.Zeros = append(out.Zeros, Toggle{ID: string(z), Name: say.Zeros(z), On: z == c.Zeros})
	}
	for _, s := range options.Swaps {
		out.Swaps = append(out.Swaps, Toggle{ID: string(s), Name: w.SwapsAway(s), On: slices.Contains(c.Swaps, s)})
	}
	for _, n := range options.Many {
		out.Many = append(out.Many, Toggle{ID: fmt.Sprint(n), Name: say.Many(n), On: slices.Contains(c.Many, n)})
	}
	for _, d := range options.Differ {
		out.Differ = append(out.Differ, Toggle{ID: string(d), Name: w.Differs(d), On: slices.Contains(c.Differ, d)})
	}
	for _, s := range c.Swaps {
		out.Choice.Swaps = append(out.Choice.Swaps, string(s))
	}
	for _, d := range c.Differ {
		out.Choice.Differ = append(out.Choice.Differ, string(d))
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
		out.Ways = append(out.Ways, OneWay{string(way.Shown), string(way.Answered)})
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
