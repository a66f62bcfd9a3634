// Package pupil has simulated children: they work real problems through the
// real rules, for the demo school and for trials.
package pupil

import (
	"math"
	"math/rand/v2"
	"slices"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/number"
	"vineswap/core/place"
	"vineswap/core/slip"
	"vineswap/core/task"
)

// Pupil is a simulated child. Skill in a stage and manner grows with each
// problem that is worked there.
type Pupil struct {
	Pace     float64 // how fast skill grows: 1 is usual
	Careless float64 // the chance of a fact slip at each problem, 0 to 1
	Slip     slip.ID // the slip of this child; empty for none
	Shows    float64 // the chance that the slip shows where it applies, 0 to 1
	practice map[skill]float64
}

type skill struct {
	stage  choose.StageID
	manner book.Manner
}

// knowing is how much practice makes a stage mostly known.
const knowing = 3.0

// Knows tells how likely the child works a problem of a stage rightly, 0 to 1.
func (p *Pupil) Knows(stage choose.StageID, manner book.Manner) float64 {
	return 1 - math.Exp(-p.practice[skill{stage, manner}]/knowing*1.6)
}

// Knew gives the child practice from before: n problems' worth.
func (p *Pupil) Knew(stage choose.StageID, manner book.Manner, n float64) {
	if p.practice == nil {
		p.practice = map[skill]float64{}
	}
	p.practice[skill{stage, manner}] += n
}

// weight of practice by the help that is given with it.
var weight = map[book.Help]float64{book.Shown: 1, book.Together: 1.2, book.Nudged: 1, book.Alone: .8, book.Explains: 1}

// Work lets the child work a task of a stage in a manner, with help, and
// returns the answer as given; nothing where it was only shown. The child learns
// by it.
func (p *Pupil) Work(work task.Task, stage choose.StageID, manner book.Manner, help book.Help, rng *rand.Rand) string {
	known := p.Knows(stage, manner)
	p.Knew(stage, manner, p.Pace*weight[help])
	if help == book.Shown {
		return ""
	}
	return work.Write(p.answer(work, known, manner, help, rng))
}

func (p *Pupil) answer(work task.Task, known float64, manner book.Manner, help book.Help, rng *rand.Rand) task.Answer {
	if wrong, applies := work.Slipped(p.Slip); applies && !manner.WithMaterial() && help != book.Together && rng.Float64() < p.Shows {
		return wrong
	}
	if help == book.Together || rng.Float64() < known+(1-known)*.35 {
		if rng.Float64() < p.Careless {
			return factSlip(work, rng)
		}
		return work.Right()
	}
	return stumble(work, rng)
}

// stumble is a wrong answer of a child who does not know the stage yet: some slip
// that applies, or a fact slip where none does.
func stumble(work task.Task, rng *rand.Rand) task.Answer {
	all := work.Wrong()
	if len(all) == 0 {
		return factSlip(work, rng)
	}
	// Common slips come first: the square draws them more often.
	r := rng.Float64()
	return all[int(r*r*float64(len(all)))].Answer
}

// factSlip is the right procedure with one column off by one: what comes up from
// it follows from what was written.
func factSlip(work task.Task, rng *rand.Rand) task.Answer {
	if a, of := number.From(work); of && len(a.Choices()) > 1 { // another one of those
		wrong := slices.DeleteFunc(a.Choices(), func(c task.Answer) bool { return c.Equal(work.Right()) })
		return wrong[rng.IntN(len(wrong))]
	}
	answer := slices.Clone(work.Right())
	right := answer[0]
	off := place.Number(place.Place(rng.IntN(int(right.Top()) + 1)).Unit())
	if rng.IntN(2) == 0 || right < off {
		answer[0] = right + off
	} else {
		answer[0] = right - off
	}
	return answer
}
