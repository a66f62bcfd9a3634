package say

import (
	"fmt"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/ladder"
)

// Waits says how long a child has waited; never tells that nothing is recorded.
func Waits(n int, never bool) string {
	switch {
	case never:
		return "not seen yet"
	case n == 0:
		return "today"
	case n == 1:
		return "1 day"
	}
	return fmt.Sprintf("%d days", n)
}

// Erased says how many learners were erased; nothing for none.
func Erased(n int) string {
	switch n {
	case 0:
		return ""
	case 1:
		return "One child was erased. Nothing else about the child is kept."
	}
	return fmt.Sprintf("%d children were erased. Nothing else about them is kept.", n)
}

// PlaceInStrand says where a stage stands: "joining, stage 5 of 10".
func PlaceInStrand(strand ladder.Strand, nth, of int) string {
	return fmt.Sprintf("%s, stage %d of %d", Strand(strand), nth, of)
}

// StageInManner names a stage with its strand and how it is worked: "joining: no
// swap, in the column".
func (w Words) StageInManner(stage choose.StageID, manner book.Manner) string {
	return fmt.Sprintf("%s: %s, %s", Strand(ladder.StrandOf(stage)), w.Stage(stage), InManner(manner))
}

// NotTogether warns that two children who are not to sit together do.
func NotTogether(one, other string) string {
	return fmt.Sprintf("%s and %s are not to sit together.", one, other)
}
