package diagnose

import "vineswap/core/book"

// What is assumed of children, in one place. The likelihood of an answer is that of the field's
// own model of slips (a procedure that shows most of the time, beside wrong facts), in the
// form of Brown and VanLehn's and of Lee and Corter's diagnosis by Bayes' rule; that a child
// may have changed is the fixed share of Herbster and Warmuth. docs/judging.md has the
// sources and what other values would do.
const (
	// What children are held to be before the first answer.
	priorRight = .29
	priorOne   = .44
	priorTwo   = .16
	priorNone  = .11

	// Of children with two slips, so many have them in different fields: one in adding and
	// one in taking.
	acrossFields = .15

	// A slip that stands first in its list is held this much likelier than the tenth.
	commonFirst = 2.0

	// An answer that nothing explains: misread, interrupted, copied.
	stray = .0012

	// A child who follows no pattern is right so often, makes some slip so often, and
	// else writes any number.
	noneRight = .35
	noneSlips = .30

	// How likely a child has changed from one answer to the next, and from one day to the next.
	changesByAnswer = .006
	changesByDay    = .004
	mostChanged     = .5
)

// habit is how often a slip shows and how often a fact is wrong.
type habit struct{ shows, facts, weight float64 }

// habits are those of a child with slips; careless those of one who works rightly.
var (
	habits   = [grid]habit{{.65, .04, .15}, {.65, .11, .10}, {.82, .04, .35}, {.82, .11, .10}, {.94, .03, .22}, {.94, .10, .08}}
	careless = [grid]habit{{0, .004, .28}, {0, .02, .12}, {0, .05, .32}, {0, .08, .12}, {0, .12, .11}, {0, .18, .05}}
)

// grid is how many habits are told apart.
const grid = 6

// wrongFact is from where on a child who works rightly is held to get facts wrong.
const wrongFact = .03

// showsWith is how much of a slip is left in an answer with help, and with pieces in hand:
// both keep a child from it.
var showsWith = map[book.Help]float64{book.Together: .25, book.Nudged: .6, book.Alone: 1, book.Explains: 1}

const (
	showsInPieces = .35
	showsUnread   = .25 // of an answer that was taken as right with all the others
)
