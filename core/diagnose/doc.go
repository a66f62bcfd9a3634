// Package diagnose says what explains several answers of one child, and which question
// would tell.
//
// A child is held to be right (with a wrong fact now and then), to make one slip, to make
// two that can come together, or to follow no pattern. Each of these gives every answer a
// likelihood (model.go has all that is assumed, with its sources); each has a weight
// beforehand, common slips more; and with each answer, and with the days between, a child may
// have changed. What is handed out is the weight of each after the last answer. Those that no
// answer so far can tell apart are one explanation.
//
// docs/judging.md has the parameters, where they come from, and how well this does.
package diagnose
