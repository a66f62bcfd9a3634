package wire

import (
	"time"

	"vineswap/core/ladder"
	"vineswap/core/say"
)

// People is who belongs to a class.
type People struct {
	Children []Enrolled  `json:"children"`
	Retired  []Enrolled  `json:"retired"`
	Members  []Member    `json:"members"`
	Classes  []ClassLink `json:"classes"` // others that one leads, to move a child to
	Erased   string      `json:"erased"`  // how many were erased, in words; empty for none
	Open     []OpenLink  `json:"open"`    // invitations that can still be used
	Roles    []Named     `json:"roles"`   // that an adult can have
	Told     []Told      `json:"told"`    // what children can do, to be told
	Apart    []KeptApart `json:"apart"`   // who is not to sit together
}

// KeptApart is two children who are not to sit together.
type KeptApart struct {
	One   string `json:"one" validate:"required,uuid"`
	Other string `json:"other" validate:"required,uuid"`
}

// KeepApart asks that two children are kept apart, or not any more.
type KeepApart struct {
	KeptApart
	Apart bool `json:"apart"`
}

// OpenLink is an invitation that can still be used. What its link says is kept
// nowhere.
type OpenLink struct {
	ID    string `json:"id"`
	Role  string `json:"role"`
	By    string `json:"by"`
	Until string `json:"until"`
}

// Enrolled is a child of a class, and since or until when.
type Enrolled struct {
	Learner
	Told string `json:"told"` // what it can do, as it was told; empty for nothing
	When string `json:"when"`
}

// Told is what children can do, and the stage that comes next for them.
type Told struct {
	ID        string `json:"id"`
	Name      string `json:"name"`
	Example   string `json:"example"` // of what they can do: "23 + 45"
	Stage     string `json:"stage"`
	StageName string `json:"stageName"` // with its operation: "adding: no swap"
}

// ToldOf lists what can be told of children, the least first.
func ToldOf(w say.Words) []Told {
	var list []Told
	for _, t := range ladder.Tolds() {
		next := t.Next()
		list = append(list, Told{string(t), w.Told(t), say.ToldExample(t), string(next), say.Strand(ladder.StrandOf(next)) + ": " + w.Stage(next)})
	}
	return list
}

// Member is an account in a class.
type Member struct {
	ID    string `json:"id"`
	Name  string `json:"name"`
	Email string `json:"email"`
	Role  string `json:"role"`
}

// AddLearners adds children under ids that the screen makes.
type AddLearners struct {
	Learners []Learner `json:"learners" validate:"required,min=1,max=60"`
	Told     string    `json:"told,omitempty"` // what all of them can do
}

// ChangeLearner renames, retires, takes back or moves a child: one of them.
type ChangeLearner struct {
	Name    *string `json:"name,omitempty"`
	Retired *bool   `json:"retired,omitempty"`
	MoveTo  string  `json:"moveTo,omitempty" validate:"omitempty,uuid"`
	Told    *string `json:"told,omitempty"` // what it can do
}

// ChangeMember gives an adult another role.
type ChangeMember struct {
	Role string `json:"role" validate:"required,oneof=lead assistant viewer"`
}

// Access is where an account is logged in.
type Access struct {
	Name        string       `json:"name"`
	Email       string       `json:"email"`
	Places      []LoggedInAt `json:"places"`
	FewestSigns int          `json:"fewestSigns"` // that a password has
}

// LoggedInAt is a device on which one is logged in.
type LoggedInAt struct {
	Device string `json:"device"`
	Since  string `json:"since"`
	At     string `json:"at"`   // when it began, RFC 3339
	Here   bool   `json:"here"` // the one that asks
}

// NewPassword is what is sent to change one's own password.
type NewPassword struct {
	Password string `json:"password" validate:"required,max=200"`
	New      string `json:"new" validate:"required,max=200"`
}

// CloseAccount is what is sent to end one's own account.
type CloseAccount struct {
	Password string `json:"password" validate:"required,max=200"`
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

// RolesOf lists the roles, the least first.
func RolesOf() []Named {
	return []Named{{"viewer", "looks on"}, {"assistant", "presents and records"}, {"lead", "leads the class"}}
}

// DateOf writes a day with its year.
func DateOf(day time.Time) string { return day.UTC().Format("2 Jan 2006") }
