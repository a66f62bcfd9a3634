// Package swap works a problem: it makes the trace of steps from laying out to
// saying back, with the pieces that lie in every zone and the column that is
// written after each. It has no words; the mat, the column, the sentences and
// the terminal are readers of the trace, and none of them computes it again.
package swap
