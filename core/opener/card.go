package opener

import (
	"encoding/json"
	"strings"

	"vineswap/core/place"
	"vineswap/core/task"
)

// OfCards is the kind of tasks in a guide's own words. Nothing of them is right or wrong.
const OfCards task.Kind = "card"

// Card is a task in a guide's own words.
type Card struct {
	Text string `json:"text"`
}

func init() {
	task.Register(OfCards, task.Rules{Version: 2, Read: func(_ int, data []byte) (task.Data, error) {
		var c Card
		err := json.Unmarshal(data, &c)
		return c, err
	}, Parse: func(text string) (task.Data, error) {
		own, is := strings.CutPrefix(text, "card ")
		if !is {
			return nil, task.ErrForm
		}
		c := Card{strings.TrimSpace(own)}
		return c, c.Valid()
	}})
}

// CardFrom returns the card of a task; false for a task of another kind.
func CardFrom(t task.Task) (c Card, is bool) {
	c, is = t.Data.(Card)
	return c, is
}

// Task is the card as a task.
func (c Card) Task() task.Task { return task.Task{Kind: OfCards, Data: c} }

// Valid tells why the card cannot be shown; nil when it can.
func (c Card) Valid() error { return Opener{Kind: OwnCard, Text: c.Text}.Valid() }

// String writes the card as it is typed.
func (c Card) String() string { return "card " + c.Text }

// Right is nothing: whatever the class finds is told and not marked.
func (c Card) Right() task.Answer { return task.Answer{} }

// Write writes nothing.
func (c Card) Write(task.Answer) string { return "" }

// Read reads no answer.
func (c Card) Read(string) (task.Answer, bool) { return nil, false }

// Shows lists no skill.
func (c Card) Shows() []task.Skill { return []task.Skill{} }

// Wrong lists no slip.
func (c Card) Wrong() []task.Wrong { return nil }

// Largest is no number.
func (c Card) Largest() place.Number { return 0 }
