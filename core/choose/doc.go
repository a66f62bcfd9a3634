// Package choose counts and draws problems by the swaps that they cause.
//
// A Choice says what is wanted; Choice.Space turns it into a dynamic programme
// over the columns. Inside a column the digits are filled in one after another
// (column.go); between two columns stands a state that carries what the wishes
// need and nothing else (step.go). The programme counts every problem that fits
// exactly, turns any index below that count into its problem and any problem
// into its index, so a draw is a draw of a uniform index: nothing is tried and
// thrown away.
package choose
