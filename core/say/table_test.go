package say

import (
	"cmp"
	"fmt"
	"maps"
	"os"
	"slices"
	"strings"
	"testing"

	"vineswap/core/ladder"
)

// vocabularies are the words for what is stored under an id, by the heading that
// docs/words.md has for them.
func vocabularies() map[string]map[string]string {
	all := map[string]map[string]string{
		"Kinds of problem": plainly(operationNames), "Help": plainly(helpNames), "What was seen while working": plainly(wayNames),
		"How a child stands": plainly(stateNames), "Children by need": plainly(needNames), "Order of the children": plainly(orderNames),
		"Slips": slipsSay(), "What can be said of several answers": plainly(verdictNames), "Facts": plainly(factNames), "What a child can do already": {}, "Strands": {}, "How it was worked": {},
		"How a number is shown": plainly(shownNames), "How a number is answered": plainly(answeredNames),
		"How the mat saw it": plainly(seenNames), "Why a lesson is put off": plainly(whyNames), "Openers of a whole class": plainly(openerNames), "What a class does in a round": {}, "How a slate was": plainly(slateNames), "Kinds of sheet": plainly(sheetNames), "Facts of a minute": plainly(minuteNames), "Stages": {}, "Settings": plainly(matterNames), "Sides of a setting": {},
	}
	for does, paces := range paceWords {
		for pace, words := range paces {
			all["What a class does in a round"][strings.TrimSpace(does+" "+pace)] = words.Name + " · " + words.Says + " · " + words.Do
		}
	}
	for id, names := range strandNames {
		all["Strands"][string(id)] = names[0] + " · " + names[1]
	}
	for id, names := range mannerNames {
		all["How it was worked"][string(id)] = names[0] + " · " + names[1]
	}
	words := Words{Swap: Swap}
	for _, t := range ladder.Tolds() {
		all["What a child can do already"][string(t)] = words.Told(t)
	}
	for id := range stageWords {
		if id != "" {
			all["Stages"][string(id)] = words.Stage(id)
		}
	}
	for id := range matterNames {
		all["Settings"][id] = words.Matter(id)
	}
	for matter, sides := range sideNames {
		for side, name := range sides {
			all["Sides of a setting"][matter+" "+side] = name
		}
	}
	return all
}

func plainly[K ~string](words map[K]string) map[string]string {
	all := map[string]string{}
	for id, word := range words {
		if id != "" {
			all[string(id)] = word
		}
	}
	return all
}

// The table of all words in docs/words.md has what is shown for everything that is
// stored, and nothing else.
func TestTheTableOfWords(t *testing.T) {
	doc, err := os.ReadFile("../../docs/words.md")
	if err != nil {
		t.Fatal(err)
	}
	told := map[string]map[string]string{}
	heading := ""
	for line := range strings.Lines(string(doc)) {
		if strings.HasPrefix(line, "#") {
			heading = strings.TrimSpace(strings.TrimLeft(line, "#"))
			told[heading] = map[string]string{}
		}
		if id, rest, ok := strings.Cut(strings.TrimPrefix(line, "| `"), "` | "); ok && strings.HasPrefix(line, "| `") {
			shown, _, _ := strings.Cut(rest, " |")
			told[heading][id] = shown
		}
	}
	for heading, words := range vocabularies() {
		if !maps.Equal(told[heading], words) {
			t.Errorf("%s should be\n%s", heading, rows(words))
		}
	}
}

func rows(words map[string]string) string {
	var out strings.Builder
	for _, id := range slices.SortedFunc(maps.Keys(words), cmp.Compare[string]) {
		fmt.Fprintf(&out, "| `%s` | %s |\n", id, words[id])
	}
	return out.String()
}

func slipsSay() map[string]string {
	all := map[string]string{}
	for id := range slipWords {
		all[string(id)] = Slip(id)
	}
	return all
}
