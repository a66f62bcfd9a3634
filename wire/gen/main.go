// Command gen prints the JSON schema of the types that cross the wire; the
// TypeScript types are generated from it.
package main

import (
	"encoding/json"
	"os"

	"github.com/invopop/jsonschema"

	"vineswap/wire"
)

// All names every type that a request or an answer is made of.
type All struct {
	Login        wire.Login        `json:"login"`
	Me           wire.Me           `json:"me"`
	Trouble      wire.Trouble      `json:"trouble"`
	Desk         wire.Desk         `json:"desk"`
	Choices      wire.Choices      `json:"choices"`
	KeptChoices  wire.KeptChoices  `json:"keptChoices"`
	Choose       wire.Choose       `json:"choose"`
	Chosen       wire.Chosen       `json:"chosen"`
	ChooseOne    wire.ChooseOne    `json:"chooseOne"`
	ChosenOne    wire.ChosenOne    `json:"chosenOne"`
	ChosenSnakes wire.ChosenSnakes `json:"chosenSnakes"`
	ChosenBars   wire.ChosenBars   `json:"chosenBars"`
	Stands       wire.Stands       `json:"stands"`
	TrayLies     wire.TrayLies     `json:"trayLies"`
	TraySays     wire.TraySays     `json:"traySays"`
	Typed        wire.Typed        `json:"typed"`
	NewLesson    wire.NewLesson    `json:"newLesson"`
	LessonChange wire.LessonChange `json:"lessonChange"`
	Moved        wire.Moved        `json:"moved"`
	Lesson       wire.Lesson       `json:"lesson"`

	Record        wire.Record        `json:"record"`
	Observe       wire.Observe       `json:"observe"`
	Recorded      wire.Recorded      `json:"recorded"`
	Timed         wire.Timed         `json:"timed"`
	Say           wire.Say           `json:"say"`
	Today         wire.Today         `json:"today"`
	SetAway       wire.SetAway       `json:"setAway"`
	SetDay        wire.SetDay        `json:"setDay"`
	PutOff        wire.PutOff        `json:"putOff"`
	Week          wire.Week          `json:"week"`
	LessonDay     wire.LessonDay     `json:"lessonDay"`
	Vines         wire.Vines         `json:"vines"`
	LearnerView   wire.LearnerView   `json:"learnerView"`
	Judge         wire.Judge         `json:"judge"`
	People        wire.People        `json:"people"`
	KeepApart     wire.KeepApart     `json:"keepApart"`
	AddLearners   wire.AddLearners   `json:"addLearners"`
	ChangeLearner wire.ChangeLearner `json:"changeLearner"`
	Invite        wire.Invite        `json:"invite"`
	Invited       wire.Invited       `json:"invited"`
	Invitation    wire.Invitation    `json:"invitation"`
	Join          wire.Join          `json:"join"`
	ChangeMember  wire.ChangeMember  `json:"changeMember"`
	Access        wire.Access        `json:"access"`
	NewPassword   wire.NewPassword   `json:"newPassword"`
	CloseAccount  wire.CloseAccount  `json:"closeAccount"`

	Slates        wire.Slates        `json:"slates"`
	KeepRound     wire.KeepRound     `json:"keepRound"`
	SeatPlan      wire.SeatPlan      `json:"seatPlan"`
	Projector     wire.Projector     `json:"projector"`
	ProjectorCode wire.ProjectorCode `json:"projectorCode"`
	RenewCode     wire.RenewCode     `json:"renewCode"`
	Openers       wire.Openers       `json:"openers"`
	RunOpeners    wire.RunOpeners    `json:"runOpeners"`

	Sheets       wire.Sheets       `json:"sheets"`
	AskSheet     wire.AskSheet     `json:"askSheet"`
	SheetLook    wire.SheetLook    `json:"sheetLook"`
	SheetPrinted wire.SheetPrinted `json:"sheetPrinted"`
	SheetAnswers wire.SheetAnswers `json:"sheetAnswers"`
	AnswerHelp   wire.AnswerHelp   `json:"answerHelp"`
	KeepAnswers  wire.KeepAnswers  `json:"keepAnswers"`
	KeptAnswers  wire.KeptAnswers  `json:"keptAnswers"`
	SetMissing   wire.SetMissing   `json:"setMissing"`
	Minutes      wire.Minutes      `json:"minutes"`
	KeepMinute   wire.KeepMinute   `json:"keepMinute"`
	NewImport    wire.NewImport    `json:"newImport"`
	ImportPart   wire.ImportPart   `json:"importPart"`
	ReadImport   wire.ReadImport   `json:"readImport"`
	Imported     wire.Imported     `json:"imported"`
}

// schema is the JSON schema, indented, with one definition for each type.
func schema() ([]byte, error) {
	r := jsonschema.Reflector{Anonymous: true}
	out, err := json.MarshalIndent(r.Reflect(&All{}), "", "  ")
	return append(out, '\n'), err
}

func main() {
	out, err := schema()
	if err == nil {
		_, err = os.Stdout.Write(out)
	}
	if err != nil {
		panic(err)
	}
}
