package say

import (
	"fmt"
	"strings"

	"vineswap/core/diagnose"
	"vineswap/core/place"
	"vineswap/core/slip"
	"vineswap/core/task"
)

// slipWord is what is said of a slip: what was done, as part of a sentence; what to look for
// in the child's work; and the step with material that helps.
type slipWord struct{ says, look, helps string }

var slipWords = map[slip.ID]slipWord{
	"drops-new-ten": {
		"the ten that came up was not added",
		"Is the new ten in the hand when the tens are counted? Or does it lie on the tray unseen?",
		"Ten go to the {bank}. Lay the new one with its own, and count these only then.",
	},
	"writes-both-digits": {
		"each column’s whole sum was written, side by side",
		"Are two digits written in one column when it reaches ten?",
		"Look for a card for twelve ones: there is none. Ten go to the {bank}, one comes for the next place.",
	},
	"brings-down-without-carry": {
		"the carried ten was forgotten where a digit stands alone",
		"Is a digit that stands alone copied before anybody looks at what came up?",
		"Lay what came up into the place where only one number has pieces, and count them together.",
	},
	"carries-wrong-digit": {
		"the ones were carried and the ten was written",
		"Which digit goes on paper first, when somebody says fifteen?",
		"Lay the fifteen: five stay in their place, and the new one walks to the next place.",
	},
	"always-carries": {
		"one was carried from every column, needed or not",
		"Is a small 1 written before the column is counted?",
		"Count the pile first. Fewer than ten: nothing goes to the {bank}, and nothing is carried.",
	},
	"carries-one-only": {
		"only one ten was carried where there were more",
		"Is the pile counted again after the first ten has gone?",
		"Go to the {bank} with each ten. Twenty-two ones are two tens and two ones.",
	},
	"last-ten-lost": {
		"the ten of the last column was not written",
		"Does the paper have room to the left of the last column?",
		"Ten of the last pile go to the {bank} too: the new one opens a place, and has a card of its own.",
	},
	"zero-makes-zero": {
		"a column with a 0 in it was given 0",
		"Ask for 5 and 0 with pieces: what lies there?",
		"Lay both numbers: one has nothing in this place, the pieces of the other are all there.",
	},
	"carries-rightward": {
		"worked from the left, and carried to the right",
		"With which place does the work begin?",
		"Begin with the ones. A ten from the ones can lie only with the tens, to the left.",
	},
	"lines-up-left": {
		"the shorter number was lined up on the left",
		"Do the ones stand under the ones on the paper?",
		"Lay both numbers on the mat, each piece in its place. Then write each digit under its place.",
	},
	"adds-all-digits": {
		"all the digits were added as if they were ones",
		"Ask what the 4 in 47 is worth.",
		"Lay 47 with {bars} and {beads}: the 4 are tens. Lay the cards over one another.",
	},
	"stops-at-shorter": {
		"stopped where the shorter number ends",
		"Does the work stop when the shorter number has no more digits?",
		"Lay both numbers and go through every place that has pieces, to the last one on the left.",
	},
	"takes-away-instead": {
		"taken away instead of added",
		"Ask for the sign first, and what it means to do.",
		"Lay both numbers and push them together: is there more now, or less?",
	},
	"last-addend-left-out": {
		"the last number was left out",
		"Are all the numbers touched in a column, the lowest one too?",
		"Lay each number on a tray of its own. All trays are empty when the work is done.",
	},
	"counts-the-start": {
		"the starting number was counted too",
		"Listen where the counting begins: with the number itself, or with the next one?",
		"Lay the first number covered. Say it once, and touch only what is put to it or taken from it.",
	},
	"smaller-from-larger": {
		"the smaller digit was taken from the larger, whichever is on top",
		"Ask from what the lower digit is taken away, and whether there is enough.",
		"Lay the upper number alone. Nobody can take 8 from 2: one of the next place is {swapped} down.",
	},
	"ten-for-nothing": {
		"ten was taken without lowering the next place",
		"Is the digit to the left crossed out and one less?",
		"A {bar} goes to the {bank} before ten ones come. Then look how many {bars} lie there.",
	},
	"stops-at-zero": {
		"the next place was a zero and was not lowered",
		"What happens where the next place is empty?",
		"Go on to the left until a place has something, and {swap} down place by place.",
	},
	"jumps-over-zero": {
		"the zeros in the way were left as they are",
		"Are the zeros in between crossed out too?",
		"A hundred is ten tens. One of these is ten ones, and nine tens stay.",
	},
	"nine-from-nowhere": {
		"zeros were made into nines without lowering the next place",
		"Where do the nines come from?",
		"A hundred goes to the {bank} first. Then ten tens lie there, and nine when one is {swapped}.",
	},
	"zero-take-n-is-n": {
		"0 take away a digit was given that digit",
		"Ask for 0 take away 7 with pieces.",
		"Nothing lies there: nobody can take 7. One of the next place is {swapped} down.",
	},
	"zero-take-n-is-zero": {
		"0 take away a digit was given 0",
		"Ask for 0 take away 7 with pieces.",
		"Nothing lies there, and 7 are to go. One of the next place is {swapped} down.",
	},
	"take-zero-is-zero": {
		"a digit take away 0 was given 0",
		"Ask for 8 take away 0 with pieces.",
		"Eight lie there and none go. How many stay?",
	},
	"zero-when-short": {
		"0 was written where there was not enough",
		"What is said where there is not enough?",
		"Nothing is written yet: one of the next place is {swapped} down, then there is enough.",
	},
	"adds-instead": {
		"added instead of taken away",
		"Ask for the sign first, and what it means to do.",
		"Lay the larger number alone and take the other one from it: is there more now, or less?",
	},
	"swaps-without-need": {
		"ten was fetched where it was not needed",
		"Is a small 1 written before anybody looks whether there is enough?",
		"Ask first at each place: is there enough here? Then take away at once.",
	},
	"ten-without-own": {
		"the digit that was already there was forgotten",
		"Is the ten that came joined to what lay there?",
		"Lay the ten {beads} beside those that lie there, and count all of them.",
	},
	"swaps-from-far-left": {
		"ten was taken from the highest place instead of the next",
		"From which place does the one come?",
		"A hundred cannot become ten ones at the {bank}. Ask the next place first.",
	},
	slip.LeftoverDropped: {
		"what could not be dealt was set aside and forgotten",
		"Where do the pieces go that cannot be dealt?",
		"A ten that is left goes to the {bank} for ten ones, and these are dealt as well.",
	},
	slip.DigitsReversed: {
		"the digits were written in reverse",
		"Which digit is written first, and which is said first?",
		"Lay the ten, then the ones. Lay the cards over one another, and copy from the left.",
	},
	slip.TyForTeen: {
		"took -ty for -teen",
		"Say both words slowly, and listen to the end.",
		"Lay fourteen and forty side by side: one {bar} and four {beads}, and four {bars}.",
	},
	slip.TeenForTy: {
		"took -teen for -ty",
		"Say both words slowly, and listen to the end.",
		"Lay forty and fourteen side by side: four {bars}, and one {bar} and four {beads}.",
	},
	slip.WritesParts: {
		"each part was written in full",
		"Is each part written as it is heard?",
		"Lay the large cards over one another: the zeros disappear under the smaller ones.",
	},
	slip.WritesHundreds: {
		"the hundreds were written in full, then the rest",
		"Is a hundred written as it is heard, with both zeros?",
		"Lay the cards over one another: the zeros of the hundred are covered by the rest.",
	},
	slip.ZeroLeftOut: {
		"a 0 between the digits was left out",
		"Is there a digit for each place, the empty one too?",
		"Lay the pieces in their places: one is empty, and 0 is written there.",
	},
	slip.ZeroPutIn: {
		"a 0 too many was put in",
		"Is there one digit for each place?",
		"Lay the cards over one another and count the places.",
	},
	slip.ValueForTens: {
		"what the tens are worth was given instead of how many there are",
		"Ask for both: how many tens, and how much is that?",
		"Count the {bars}. Then count what they are worth: ten, twenty, thirty.",
	},
	slip.TensForValue: {
		"how many tens there are was given instead of what they are worth",
		"Ask for both: how many tens, and how much is that?",
		"Count the {bars}. Then count what they are worth: ten, twenty, thirty.",
	},
	slip.DigitForTens: {
		"only the digit of the tens was given",
		"Are the tens in the hundreds counted too?",
		"Change each hundred into ten tens, and count all the tens that lie there.",
	},
	slip.OnesOnly: {
		"only the ones were given",
		"Is the ten counted too?",
		"Lay the ten first, then the ones, and say both.",
	},
	slip.DigitsNotValues: {
		"the digits were given instead of what they are worth",
		"Ask what the 4 in 47 is worth.",
		"Pull the cards apart: 40 and 7.",
	},
	slip.PlacesSwapped: {
		"the places of the parts were exchanged",
		"Which part is the tens, and which the ones?",
		"Lay the number with {bars} and {beads}, and each card at its pieces.",
	},
	slip.OneOff: {
		"one too many or too few was counted",
		"Is each thing touched once while it is counted?",
		"Move each thing aside as it is counted.",
	},
	slip.TenSaidTwice: {
		"the first single one was called ten again",
		"What is said at the first single one?",
		"Cover the full ten, say ten, and touch the next one: eleven.",
	},
	slip.EqualsAsDoIt: {
		"what comes before the equals sign was worked out and written after it",
		"What does the equals sign say?",
		"Lay both sides on two trays: they are to have as many.",
	},
	slip.GoldenBarForgotten: {
		"a golden bar was forgotten at a ten",
		"Does a golden bar come in at each ten, before anything goes aside?",
		"Stop at ten, and lay the golden bar beneath before a hand touches the bars.",
	},
	slip.RemainderMiscounted: {
		"what was left of a bar was miscounted",
		"Is counting begun at the first bead behind the ten?",
		"Lay the remainder bar against the beads that are left: they are to be as long.",
	},
	slip.BarsNotGivenBack: {
		"used bars were left in the snake",
		"Do all bars of the ten go aside, also the one that was cut?",
		"Point at each bar of the ten and lay it aside before the remainder bar goes in.",
	},
	slip.DigitMirrored: {
		"a digit was written back to front",
		"Which way does the pencil begin?",
		"Trace the digit, then write it with the eyes closed.",
	},
}

// Slip says what a slip does, as part of a sentence.
func Slip(id slip.ID) string { return slipWords[id].says }

// LookFor says what to look for in the work of a child who makes a slip.
func (w Words) LookFor(id slip.ID) string { return w.filled(slipWords[id].look) }

// HelpsWith says which step with material helps.
func (w Words) HelpsWith(id slip.ID) string { return w.filled(slipWords[id].helps) }

// filled puts the class's words for the bank, for swapping and for the pieces into a sentence.
func (w Words) filled(sentence string) string {
	f := w.down().forms()
	return strings.NewReplacer(
		"{bank}", w.TheBank(), "{swapped}", f.done, "{swap}", f.verb,
		"{bar}", w.piece(place.Tens), "{bars}", w.pieces(place.Tens), "{beads}", w.pieces(place.Ones),
	).Replace(sentence)
}

// Slips says what one or two slips do, as part of a sentence; of none that the work is right.
func Slips(ids []slip.ID) string {
	switch len(ids) {
	case 0:
		return "works rightly"
	case 1:
		return Slip(ids[0])
	}
	return fmt.Sprintf("%s; and %s", Slip(ids[0]), Slip(ids[1]))
}

var fieldNames = map[diagnose.Field]string{
	diagnose.Adding: "adding", diagnose.Taking: "taking away", diagnose.Sharing: "sharing", diagnose.Numbers: "numbers",
}

// Field names what answers are about.
func Field(f diagnose.Field) string { return fieldNames[f] }

// Suspect says what goes wrong, as a headline: the slip that is told, or that so many explain
// the same answers, or that none does.
func Suspect(v diagnose.Verdict, told slip.ID, same int) string {
	switch {
	case told != "":
		return capital(Slip(told))
	case v == diagnose.NoPattern:
		return "No pattern in the wrong answers"
	case v == diagnose.FactSlips:
		return "Works rightly, with a wrong fact now and then"
	case same < 2:
		return "Not enough to tell yet"
	case same == 2:
		return "Two slips give the same answers"
	}
	return "Several slips give the same answers"
}

// Explained says how many of the last answers are wrong, and how many of these a slip explains:
// "Taking away: explains 3 of 4 wrong answers, of the last 40"; without a slip how many are wrong.
func Explained(f diagnose.Field, shows, wrong, of int, bySlip bool) string {
	last := fmt.Sprintf("of the last %d", of)
	if of == 1 {
		last = "of one"
	}
	answers := plural("wrong answer", wrong)
	if bySlip {
		return capital(fmt.Sprintf("%s: explains %d of %d %s, %s", Field(f), shows, wrong, answers, last))
	}
	return capital(fmt.Sprintf("%s: %d %s, %s", Field(f), wrong, answers, last))
}

// TellsAgainst says which answer tells against a slip.
func (w Words) TellsAgainst(t task.Task) string { return w.Task(t) + " tells against it" }

// RightMeans says what a right answer to a question would mean, where slips give it too.
func RightMeans(ids []slip.ID) string {
	if len(ids) == 0 {
		return "right"
	}
	return "right: " + Slips(ids)
}

// ShowsIn says in which places a wrong answer differs from the right one; nothing where in none.
func (w Words) ShowsIn(places []place.Place) string {
	if len(places) == 0 {
		return ""
	}
	names := make([]string, len(places))
	for i, p := range places {
		names[i] = "the " + w.PlaceMany(p)
	}
	return fmt.Sprintf("It shows in %s.", list(names))
}

// Fewer says what an answer lacks: "one hundred and one ten".
func (w Words) Fewer(places []place.Place, counts []int) string {
	said := make([]string, len(places))
	for i, p := range places {
		said[i] = w.Count(counts[i], p)
	}
	return list(said)
}

// HelpingStep names a step of the work that helps: at the swap in a place, at the work there,
// or at laying out.
func (w Words) HelpingStep(p place.Place, placed, swaps bool) string {
	switch {
	case !placed:
		return "Laying out"
	case swaps:
		return fmt.Sprintf("%s, at the %s", capital(w.PlaceMany(p)), w.forms().noun)
	}
	return capital(w.PlaceMany(p))
}

var verdictNames = map[diagnose.Verdict]string{
	diagnose.Right:     "right",
	diagnose.FactSlips: "right, with a wrong fact now and then",
	diagnose.Slip:      "a slip",
	diagnose.NoPattern: "no pattern",
	diagnose.NotEnough: "not enough to tell",
}

// Verdict names what can be said of several answers.
func Verdict(v diagnose.Verdict) string { return verdictNames[v] }

// HowSure says how sure something is that is so likely: almost sure, likely, or not enough to
// tell.
func HowSure(likely float64) string {
	switch {
	case likely >= diagnose.Sure:
		return "almost sure"
	case likely >= diagnose.Enough:
		return "likely"
	}
	return "not enough to tell"
}
