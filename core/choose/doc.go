// Package choose counts and draws problems by the swaps that they cause.
//
// A Choice says what is wanted; Choice.Space turns it into a dynamic programme
// over the columns, from the ones up, whose state is the carry and what the
// wishes need to remember. The programme counts every problem that fits
// exactly, and turns any index below that count into its problem (unranking),
// so a draw is a draw of a uniform index: nothing is tried and thrown away.
package choose
