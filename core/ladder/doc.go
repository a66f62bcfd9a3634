// Package ladder knows the stages of the strands, what comes before them and in
// which manners they are worked, and judges what a child's records say.
//
// # The rule
//
// An answer counts for the stage for which its task was chosen, if that stage's own
// rule accepts the task; otherwise for the stage that the task belongs to.
//
// Each stage worked in a manner has a string of beads, which is a sequential test.
// A right answer adds to it: one bead when the child worked alone or explained it,
// half a bead when it was nudged, a quarter when it was worked together or was
// right only by default; what was only shown says nothing. A wrong answer takes
// three times what a right one with that help gives. No string falls below −3
// beads, and none holds more than seven. The same task counts once a day.
//
// Where several children worked one problem, each is judged by its own places alone: right
// where the digits there are, and showing the swaps that were made there. A part counts as
// one answer where it is about what the stage teaches: a swap that it asks for, the zero
// that is crossed, the place that opens a new one, what is left over, or any place where
// the stage asks for no swap. In another place a right answer adds nothing, is no day and
// no kind, and lends as usual; a wrong one takes no more than one together, since what came
// up may have been forgotten there.
//
// Right answers at stages that build on this one, and in manners with less
// material, lend half of what they give. Wrong answers there take nothing: what is
// borrowed never makes a child wobble.
//
// A stage in a manner is secure when its string is full, its own answers were
// right alone on two days at least, and every kind of swap that the stage asks for
// and the class's numbers can show was among them; days and kinds are never
// borrowed. A secure one wobbles when its
// string falls to one bead or less, and is secure again at three.
//
// A guide's own judgement begins the record anew: a full string for secure, one
// bead for wobbling, none for under way; days and kinds are as judged.
//
// What is secure is to be checked again after four school weeks, weeks in which the
// class recorded something, without that manner or one that uses it; then, each
// time that a right answer alone has ended it, after eight and after sixteen. A
// wrong answer then counts as any wrong one and does not end it.
//
// A stage is ready when each of those that come before it is met: secure with
// material, or built on by a stage that is secure, or met since it arrived, or of a
// strand that is not built or without numbers in the class's range. A stage is
// passed by when it was never worked and one that builds on it is secure. When a
// stage arrives, it counts as met for good for every child who then has a record of
// work with two digits; only its own wobble undoes that. What was ready then stays
// open.
//
// docs/judging.md has the sources, the parameters and the trial.
package ladder
