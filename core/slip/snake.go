package slip

// The slips of a snake, which an adult sees in the moves. The first two also show in how many
// beads are counted.
const (
	GoldenBarForgotten  ID = "golden-bar-forgotten"
	RemainderMiscounted ID = "remainder-miscounted"
	BarsNotGivenBack    ID = "bars-not-given-back"
)
