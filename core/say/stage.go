package say

import (
	"strings"

	"vineswap/core/chain"
	"vineswap/core/choose"
	"vineswap/core/number"
	"vineswap/core/place"
	"vineswap/core/snake"
	"vineswap/core/task"
)

// stageWords are the name of each stage and what it asks of the numbers. Words in
// braces are the class's own.
var stageWords = map[choose.StageID][2]string{
	number.OneByOne:     {"one by one", "Count to ten, each thing once; nothing is zero."},
	number.FullTen:      {"a full ten", "Five and some more; what makes ten."},
	number.TenAndOnes:   {"ten and ones", "Build 11 to 19: a group of ten, and {ones}."},
	number.WritingTeens: {"writing teens", "Read and write 11 to 19."},
	number.CountingOn:   {"counting on from ten", "Go on from ten, without counting it again."},
	number.WholeTens:    {"whole tens", "20 to 90: how many tens, and how much they are."},
	number.TensAndOnes:  {"tens and ones", "Any number of two digits, as pictures, pieces and drawings."},

	number.FourKinds:       {"four kinds", "One, ten, hundred, thousand by name and size; ten of each make the next."},
	number.QuantityAndCard: {"quantity and card", "Hundreds and thousands, from pieces to cards and back, without a 0."},
	number.ZeroInAPlace:    {"zero in a place", "Numbers with one 0 or more: nothing of that kind lies there."},
	number.ExpandedForm:    {"expanded form", "A number in its parts, both ways: 300 + 40 + 2."},
	number.Renaming:        {"renaming", "A number laid in another way: 34 as two tens and fourteen ones."},
	number.CompareAndOrder: {"compare and order", "Which number is more, and which place decides."},
	number.FiveAndSix:      {"five and six digits", "Numbers up to 999,999, with cards and figures."},

	choose.WithinTen:     {"within ten", "One digit and one digit, at most ten."},
	choose.OverTen:       {"over ten", "One digit and one digit, more than ten."},
	chain.Stage:          {"chains", "Count by steps; squares and cubes; how many are in a number."},
	snake.First:          {"first snake", "Every ten ends at a bar's end."},
	snake.Second:         {"second snake", "At least one ten cuts a bar."},
	choose.NoSwap:        {"no {swap}", "No place reaches ten."},
	choose.OneSwapOnes:   {"one {swap}, {ones}", "The {ones} alone reach ten."},
	choose.OneSwapHigher: {"one {swap}, higher", "One place reaches ten, neither the {ones} nor the highest."},
	choose.SeveralSwaps:  {"several {swaps}", "Two or more places reach ten by their own digits, not the highest."},
	choose.SwapMakesSwap: {"one {swap} causes the next", "A place reaches ten only because of what comes up, and not the highest."},
	choose.NewPlace:      {"new place", "The highest place reaches ten and opens a new one."},
	choose.ThreeAddends:  {"three to six addends", "Three to six numbers are added."},
	choose.AnySum:        {"any sum", "Anything, up to six digits."},

	choose.TakeWithinTen:     {"within ten", "From at most ten."},
	choose.BackOverTen:       {"back over ten", "From 11 to 18, take away a single digit, less than ten is left."},
	choose.TakeNoSwap:        {"no {swap}", "Every place has enough."},
	choose.TakeOneSwapTens:   {"one {swap}, tens", "One {swap}: a ten for ten {ones}."},
	choose.TakeOneSwapHigher: {"one {swap}, higher", "One {swap}, from a higher place."},
	choose.TakeSeveralSwaps:  {"several {swaps}", "Two or more {swaps}, none through a zero."},
	choose.AcrossOneZero:     {"across one zero", "{A swap} goes through one zero of the larger number."},
	choose.AcrossZeros:       {"across zeros", "{A swap} goes through two or more zeros in a row."},
	choose.AnyDifference:     {"any difference", "Anything, up to six digits."},

	choose.EqualTrays:     {"equal groups", "Two to nine equal groups, and no place reaches ten."},
	choose.EqualTraysSwap: {"equal groups, {swaps}", "Two to nine equal groups, and a place reaches ten."},
	choose.ShareEven:      {"shared evenly", "Every place can be shared evenly, and nothing is left over."},
	choose.ShareSwap:      {"shared, with {a swap}", "{A swap} is needed on the way down, and nothing is left over."},
	choose.ShareRemainder: {"shared, a remainder", "Some {ones} are left over."},

	"": {"my own pattern", "Any numbers, with any {swaps}."},
}

// ofStage are the words for a stage: those in the table or, for a stage that is
// registered elsewhere, its own id read aloud.
func ofStage(id choose.StageID) [2]string {
	if words, known := stageWords[id]; known {
		return words
	}
	_, name, _ := strings.Cut(string(id), "/")
	name = strings.ReplaceAll(name, "-", " ")
	return [2]string{name, capital(name) + "."}
}

// fill puts the class's own words into a text, as they suit a kind of problem.
func (w Words) fill(kind task.Kind, text string) string {
	w = w.For(kind)
	f := w.forms()
	return strings.NewReplacer("{swap}", f.noun, "{swaps}", f.nouns, "{a swap}", f.with, "{A swap}", capital(f.with), "{ones}", w.PlaceMany(place.Ones)).Replace(text)
}

// Stage names a stage in the class's words.
func (w Words) Stage(id choose.StageID) string { return w.fill(id.Kind(), ofStage(id)[0]) }

// StageAsks says what a stage asks of the numbers.
func (w Words) StageAsks(id choose.StageID) string { return w.fill(id.Kind(), ofStage(id)[1]) }

var skillsOfOne = map[task.Skill]string{number.HowManyTens: "how many tens there are", number.HowMuch: "how much the tens are", number.Renames: "a number laid in another way", number.AllOf: "how many tens or hundreds there are in all"}

// Skill names what a stage asks to be seen: "a swap in the hundreds".
func (w Words) Skill(stage choose.StageID, skill task.Skill) string {
	if said, known := skillsOfOne[skill]; known {
		return said
	}
	what, where, placed := strings.Cut(string(skill), "/")
	p, err := place.Parse(where)
	if !placed || err != nil {
		return strings.ReplaceAll(string(skill), "-", " ")
	}
	text := "{a swap} in the " + w.PlaceMany(p)
	if what == "made" {
		text += " caused by the place below"
	}
	return w.fill(stage.Kind(), text)
}
