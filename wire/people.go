package wire

import "time"

// People is who belongs to a class.
type People struct {
	Children []Enrolled  `json:"children"`
	Retired  []Enrolled  `json:"retired"`
	Members  []Member    `json:"members"`
	Classes  []ClassLink `json:"classes"` // others that one leads, to move a child to
	Erased   string      `json:"erased"`  // how many were erased, in words; empty for none
	Open     string      `json:"open"`    // how many invitations can still be used; empty for none
}

// Enrolled is a child of a class, and since or until when.
type Enrolled struct {
	Learner
	When string `json:"when"`
}

// Member is an account in a class.
type Member struct {
	Name  string `json:"name"`
	Email string `json:"email"`
	Role  string `json:"role"`
}

// AddLearners adds children under ids that the screen makes.
type AddLearners struct {
	Learners []Learner `json:"learners" validate:"required,min=1,max=60"`
}

// ChangeLearner renames, retires, takes back or moves a child: one of them.
type ChangeLearner struct {
	Name    *string `json:"name,omitempty"`
	Retired *bool   `json:"retired,omitempty"`
	MoveTo  string  `json:"moveTo,omitempty" validate:"omitempty,uuid"`
}

// Invite asks for an invitation.
type Invite struct {
	Role string `json:"role" validate:"required,oneof=assistant viewer"`
}

// Invited is the link of an invitation: it is shown once.
type Invited struct {
	Path  string `json:"path"`
	Until string `json:"until"`
}

// Invitation is what a link leads to.
type Invitation struct {
	Class string `json:"class"`
	Role  string `json:"role"`
	Until string `json:"until"`
}

// Join uses an invitation up; left empty by somebody who is logged in.
type Join struct {
	Name     string `json:"name" validate:"max=80"`
	Email    string `json:"email" validate:"max=200"`
	Password string `json:"password" validate:"max=200"`
}

// DateOf writes a day with its year.
func DateOf(day time.Time) string { return day.UTC().Format("2 Jan 2006") }
