package say

import (
	"vineswap/core/problem"
	"vineswap/core/swap"
	"vineswap/core/trace"
)

// Ask is what can be asked before a step is shown: "How many are there now?".
// Steps that only do something ask nothing.
func (w Words) Ask(t swap.Trace, s trace.Step) string {
	switch s.Kind {
	case swap.CountUp:
		return "How many " + w.pieces(s.At.Place) + " are there now?"
	case swap.Stop:
		return "Is there a ten? What is it the same as?"
	case swap.Look:
		if t.Problem.Kind == problem.Sharing {
			return "How many " + w.pieces(s.At.Place) + " are there now? Is there enough for one each?"
		}
		return "Is there enough in the " + w.PlaceMany(s.At.Place) + "?"
	case swap.SwapDown:
		return "Who can give? What is " + w.Count(1, s.From) + " the same as?"
	case swap.Deal:
		return "How many does each one get?"
	case swap.TakeGroup:
		return "Is there enough for another group?"
	case swap.Leave:
		return "Is there enough for one more?"
	case swap.Match:
		return "What must everybody’s cards read?"
	case swap.Write:
		if t.Problem.Kind == problem.Difference {
			return "What is left in the " + w.PlaceMany(s.At.Place) + "?"
		}
		if t.Problem.Kind == problem.Sharing {
			return "Which card does each one get?"
		}
		return "What stays in the " + w.PlaceMany(s.At.Place) + "?"
	case swap.Slide:
		return "What will the cards read?"
	case swap.ReadOut:
		return "How is the number said?"
	case swap.SayBack:
		return "What was done? Tell it from the beginning."
	case swap.Sentence:
		return "What is the answer in a whole sentence?"
	case swap.CountPieces:
		return "How many pieces must lie here?"
	case swap.OtherWay, swap.PutBack:
		return "How can it be checked?"
	case swap.Compare:
		return "Is it the number we started with?"
	}
	return ""
}
