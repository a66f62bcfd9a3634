package ladder_test

import (
	"math/rand/v2"
	"slices"
	"testing"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/ladder"
)

// Nothing is begun that builds on what wobbles, however far below it lies; everything else
// that is ready is there, and comes back once it wobbles no more.
func TestNothingIsBegunOverAWobble(t *testing.T) {
	rng := rand.New(rand.NewPCG(18, 9))
	held := 0
	for range 2_000 {
		s := ladder.Standings{}
		for _, strand := range ladder.Strands() {
			for _, stage := range ladder.Stages(strand) {
				switch rng.IntN(8) {
				case 0:
					s[ladder.Key{Stage: stage.ID, Manner: book.Pieces}] = ladder.Standing{State: ladder.Wobbling, Last: 90, Used: 90, Since: 90}
				case 1, 2, 3, 4, 5:
					s[ladder.Key{Stage: stage.ID, Manner: book.Pieces}] = ladder.Standing{State: ladder.Secure, Last: 99, Used: 99, Since: 99}
				}
			}
		}
		child := ladder.Child{Standings: s, Told: ladder.SwapsAlready}
		var begins []choose.StageID
		for _, step := range child.NextSteps(100) {
			if step.Kind == ladder.Begin {
				begins = append(begins, step.Stage)
			}
		}
		for _, strand := range ladder.Strands() {
			for _, leaf := range child.Vine(strand, 100) {
				if leaf.State != ladder.Ready {
					continue
				}
				over := false
				for key, st := range s {
					over = over || st.State == ladder.Wobbling && ladder.BuildsOn(leaf.Stage, key.Stage)
				}
				if over == slices.Contains(begins, leaf.Stage) {
					t.Fatalf("%s is ready, over a wobble %t, and begun %t", leaf.Stage, over, !over)
				}
				if over {
					held++
				}
			}
		}
	}
	if held == 0 {
		t.Error("nothing was ever held back")
	}
}
