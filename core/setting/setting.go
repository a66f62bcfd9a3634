// Package setting is the record of what a class has set: its words, its material
// and its ways of working. One record, with a version, and a default for all that is unknown.
package setting

import (
	"encoding/json"
	"errors"
	"fmt"
	"strings"

	"vineswap/core/beads"
	"vineswap/core/choose"
	"vineswap/core/hue"
	"vineswap/core/material"
	"vineswap/core/paper"
	"vineswap/core/say"
	"vineswap/core/slip"
	"vineswap/core/trace"
)

// Version is written with every record. Fields are only ever added, so an older
// record reads as itself with defaults, and a newer one keeps what is known.
const Version = 1

// Class is what a class has set.
type Class struct {
	Version  int            `json:"version"`
	Swap     say.SwapWord   `json:"swap"`
	Places   say.PlaceWord  `json:"places"`
	And      bool           `json:"and"`
	Material material.Kind  `json:"material"`
	Digits   say.DigitWord  `json:"digits"`
	Teens    say.TeenWord   `json:"teens"`
	Comma    say.Separator  `json:"comma"`
	When     trace.When     `json:"when"`
	Carried  paper.Carried  `json:"carried"`
	Crossing paper.Crossing `json:"crossing"`
	Order    trace.Order    `json:"order"`
	Zeros    trace.Zeros    `json:"zeros"`
	Filled   trace.Filled   `json:"filled"` // how ten frames are
	Bank     say.BankWord   `json:"bank"`
	Adult    say.AdultWord  `json:"adult"`
	Signs    say.SignWord   `json:"signs"`   // which of two numbers is more
	Rack     say.RackSide   `json:"rack"`    // to which side the beads of a rack are pushed
	Range    choose.Range   `json:"range"`   // how far its numbers go
	Colours  hue.Set        `json:"colours"` // of the class's own set
	// Stairs and Remainders are what the class owns of bead bars.
	Stairs     beads.Stairs     `json:"stairs"`
	Remainders beads.Remainders `json:"remainders"`
	Habits     Habits           `json:"habits,omitempty"` // the class's own names for slips
}

// Habits are a class's own names for slips, those that it uses when it talks about them.
type Habits map[slip.ID]string

// MostHabit is how long an own name may be, in characters.
const MostHabit = 40

// ErrHabit is the error of an own name that cannot be kept.
var ErrHabit = fmt.Errorf("a name of your own for a slip has at most %d characters", MostHabit)

// checked are the names without spaces around them, of slips that there are; and what is too
// long.
func (h Habits) checked() (Habits, error) {
	var made Habits
	var wrong error
	for id, name := range h {
		switch name = strings.Join(strings.Fields(name), " "); {
		case say.Slip(id) == "" || name == "":
		case len([]rune(name)) > MostHabit:
			wrong = fmt.Errorf("%w: %q", ErrHabit, name)
		case made == nil:
			made = Habits{id: name}
		default:
			made[id] = name
		}
	}
	return made, wrong
}

// Default is what a new class has: the first side of every choice.
func Default() Class {
	return Class{
		Version: Version, Swap: say.Swap, Places: say.Ones, Material: material.Beads, Digits: say.ByKind, Teens: say.PlainTeens, Comma: say.NoSeparator,
		When: trace.AtTen, Carried: paper.Above, Crossing: paper.CrossOut, Order: trace.AsNeeded, Zeros: trace.PlaceByPlace, Filled: trace.ByRows, Bank: say.Bank, Adult: say.Teacher, Signs: say.InSigns, Rack: say.ToLeft, Range: choose.Widest, Colours: hue.Ours(),
		Stairs: beads.StairsSides()[0], Remainders: beads.OneOfEach,
	}
}

// Words are the class's words for the sentences.
func (c Class) Words() say.Words {
	return say.Words{Swap: c.Swap, Places: c.Places, And: c.And, Digits: c.Digits, Teens: c.Teens, Comma: c.Comma, Bank: c.Bank, Adult: c.Adult, Signs: c.Signs}
}

// Notation is how the class writes its columns.
func (c Class) Notation() paper.Notation {
	return paper.Notation{Carried: c.Carried, Crossing: c.Crossing}
}

// Beads are the bars of beads that the class owns.
func (c Class) Beads() beads.Owned {
	return beads.Owned{Stairs: c.Stairs.Number(), Remainders: c.Remainders == beads.OneOfEach, Most: int(c.Range.Limit())}
}

// Method is the class's way of working.
func (c Class) Method() trace.Method {
	return trace.Method{When: c.When, Order: c.Order, Zeros: c.Zeros, Filled: c.Filled}
}

// Read reads a kept record. What is missing, or not known to this version, is
// the default; an error is returned only for text that is no JSON object.
func Read(data []byte) (Class, error) {
	kept := Default()
	if err := json.Unmarshal(data, &kept); err != nil {
		return Default(), fmt.Errorf("settings of the class: %w", err)
	}
	made, _ := kept.checked() // what is unknown is the default
	return made, nil
}

// Made checks a record that a guide has set: unlike Read it refuses what is
// unknown.
func Made(c Class) (Class, error) {
	c.Version = Version
	made, err := c.checked()
	if err != nil {
		return c, err
	}
	return made, nil
}

// checked returns the record with a default for every side that is not known,
// and an error that names those.
func (c Class) checked() (Class, error) {
	usual := Default()
	var errs [21]error
	c.Swap, errs[0] = known(c.Swap, usual.Swap, say.SwapWords())
	c.Places, errs[1] = known(c.Places, usual.Places, say.PlaceWords())
	c.Material, errs[2] = known(c.Material, usual.Material, material.Kinds())
	c.Digits, errs[3] = known(c.Digits, usual.Digits, say.DigitWords())
	c.Teens, errs[4] = known(c.Teens, usual.Teens, say.TeenWords())
	c.Comma, errs[5] = known(c.Comma, usual.Comma, say.Separators())
	c.When, errs[6] = known(c.When, usual.When, []trace.When{trace.AtTen, trace.AfterColumn})
	c.Carried, errs[7] = known(c.Carried, usual.Carried, paper.CarriedSides())
	c.Order, errs[8] = known(c.Order, usual.Order, []trace.Order{trace.AsNeeded, trace.SwapsFirst})
	c.Zeros, errs[9] = known(c.Zeros, usual.Zeros, []trace.Zeros{trace.PlaceByPlace, trace.AsOne})
	c.Filled, errs[15] = known(c.Filled, usual.Filled, []trace.Filled{trace.ByRows, trace.ByPairs})
	c.Crossing, errs[10] = known(c.Crossing, usual.Crossing, paper.CrossingSides())
	c.Colours, errs[11] = c.Colours.Checked()
	c.Bank, errs[13] = known(c.Bank, usual.Bank, say.BankWords())
	c.Adult, errs[14] = known(c.Adult, usual.Adult, say.AdultWords())
	c.Signs, errs[16] = known(c.Signs, usual.Signs, say.SignWords())
	c.Rack, errs[18] = known(c.Rack, usual.Rack, say.RackSides())
	c.Stairs, errs[19] = known(c.Stairs, usual.Stairs, beads.StairsSides())
	c.Remainders, errs[20] = known(c.Remainders, usual.Remainders, beads.RemainderSides())
	c.Habits, errs[17] = c.Habits.checked()
	c.Range, errs[12] = known(c.Range, usual.Range, choose.Ranges())
	return c, errors.Join(errs[:]...)
}

// known returns a side that is one of those there are, or the usual one and an
// error.
func known[T ~string](side, usual T, sides []T) (T, error) {
	if got, err := say.ParseSide(string(side), sides); err == nil {
		return got, nil
	}
	return usual, fmt.Errorf("%w: %q; it can be one of %v", say.ErrWord, side, sides)
}
