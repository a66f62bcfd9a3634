package choose_test

import (
	"fmt"
	"testing"

	"vineswap/core/choose"
	"vineswap/core/place"
	"vineswap/core/problem"
)

// Which places of a problem are about what its stage teaches.
func TestAbout(t *testing.T) {
	for _, c := range []struct {
		stage choose.StageID
		text  string
		want  string // the places that are
	}{
		{choose.NoSwap, "23+45", "[ones tens]"},
		{choose.OneSwapOnes, "27+45", "[ones]"},
		{choose.OneSwapHigher, "283+154", "[tens]"},
		{choose.SeveralSwaps, "1276+1158", "[ones tens]"},
		{choose.SwapMakesSwap, "248+153", "[tens]"},
		{choose.NewPlace, "675+480", "[hundreds]"},
		{choose.ThreeAddends, "16+27+38", "[ones tens]"},
		{choose.AnySum, "40960+9870", "[tens hundreds thousands]"},
		{choose.TakeNoSwap, "68-23", "[ones tens]"},
		{choose.TakeOneSwapTens, "62-38", "[ones]"},
		{choose.TakeSeveralSwaps, "523-138", "[ones tens]"},
		{choose.AcrossOneZero, "503-128", "[ones]"},
		{choose.AcrossOneZero, "5032-1241", "[tens]"},
		{choose.AcrossZeros, "5003-128", "[ones]"},
		{choose.EqualTrays, "213*3", "[ones tens hundreds]"},
		{choose.EqualTraysSwap, "24*3", "[ones]"},
		{choose.ShareEven, "84/4", "[ones tens]"},
		{choose.ShareSwap, "72/3", "[tens]"},
		{choose.ShareRemainder, "97/4", "[ones]"},
	} {
		p, err := problem.Parse(c.text)
		if err != nil {
			t.Fatal(err)
		}
		if !c.stage.Accepts(p) {
			t.Fatalf("%v is not of %s", p, c.stage)
		}
		var about []place.Place
		for _, at := range place.All() {
			for _, part := range p.Parts() {
				if part == at && c.stage.About(p, place.SetOf(at)) {
					about = append(about, at)
				}
			}
		}
		if got := fmt.Sprint(about); got != c.want {
			t.Errorf("%s, %s: %s; want %s", c.stage, c.text, got, c.want)
		}
	}
}

// Every problem of every stage has a place that is about it, and the whole is.
func TestEveryProblemIsAboutItsStage(t *testing.T) {
	for _, stage := range choose.Stages() {
		c := choose.Choice{Kind: stage.Kind(), Stage: stage, Digits: stage.Fit([]int{4, 4})}
		space, err := c.Space()
		if err != nil {
			t.Fatal(err)
		}
		for _, numbers := range space.Draw(200, 18) {
			p := problem.Of(stage.Kind(), numbers...)
			parts := p.Parts()
			if len(parts) > 0 && !stage.About(p, place.SetOf(parts...)) {
				t.Fatalf("%v, worked whole, is not about %s", p, stage)
			}
			any := len(parts) == 0
			for _, at := range parts {
				any = any || stage.About(p, place.SetOf(at))
			}
			if !any {
				t.Fatalf("no place of %v is about %s", p, stage)
			}
		}
	}
}
