// Package number has the tasks with one number from 0 to 100: it is shown in one way and
// answered in another. Seventeen apples in ten frames are said, "seventeen" is written,
// 17 is laid with pieces.
package number

import (
	"encoding/json"
	"errors"
	"fmt"
	"slices"
	"strconv"
	"strings"

	"vineswap/core/crowd"
	"vineswap/core/place"
	"vineswap/core/task"
)

// Kind is the kind of these tasks.
const Kind task.Kind = "number"

// Shown is how a number is shown.
type Shown string

// The ways in which a number is shown.
const (
	Things   Shown = "things"   // loose things, up to ten
	Sticks   Shown = "sticks"   // 45 sticks for the compartments from 0 to 9
	Frames   Shown = "frames"   // in ten frames, up to three
	Covered  Shown = "covered"  // in ten frames, the full ones covered
	Handful  Shown = "handful"  // a heap, estimated before it is counted into frames
	Pieces   Shown = "pieces"   // tens and ones of the material
	Crowd    Shown = "crowd"    // scattered things, to be ringed in tens
	Rows     Shown = "rows"     // the same in rows
	Drawn    Shown = "drawn"    // a line for each ten, a dot for each one
	Word     Shown = "word"     // a number word to be read
	Said     Shown = "said"     // a number word that is heard
	Numeral  Shown = "numeral"  // figures
	Expanded Shown = "expanded" // 40 + 7
	Units    Shown = "units"    // four tens seven ones
	Riddle   Shown = "riddle"   // three tens and seventeen ones: one ten is still loose
)

// Answered is how a number is answered.
type Answered string

// The ways in which a number is answered.
const (
	Say       Answered = "say"
	Write     Answered = "write"      // in figures
	Lay       Answered = "lay"        // with pieces or, up to ten, with things
	Fill      Answered = "fill"       // into ten frames
	CountOn   Answered = "count-on"   // from the covered ten
	Ring      Answered = "ring"       // each ten is ringed, then tens and ones are written
	Draw      Answered = "draw"       // the quick drawing
	HowMany   Answered = "how-many"   // how many tens there are
	ToTen     Answered = "to-ten"     // what is missing to ten
	InParts   Answered = "expanded"   // 40 + 7
	InUnits   Answered = "units"      // four tens seven ones
	Pick      Answered = "pick"       // which picture shows it
	Match     Answered = "match"      // four pictures are laid to their numerals
	CountBack Answered = "count-back" // how many lie in the last compartment
)

// Limits of a number that is asked.
const (
	Most         = 100 // of all
	MostInFrames = 30
	MostHandful  = 40
	sticks       = 45 // 0 + 1 + 2 … + 9
	lastBox      = 9
)

// Asked is one number, how it is shown and how it is answered. It is the data of its
// tasks.
type Asked struct {
	Number   place.Number `json:"number"`
	Shown    Shown        `json:"shown"`
	Answered Answered     `json:"answered"`
	Seed     uint32       `json:"seed,omitempty"` // by which things lie scattered
}

// way is a way of showing with one of answering, and the numbers that suit it.
type way struct {
	shown       Shown
	answered    Answered
	least, most place.Number
}

// ways are those that there are. What would only be the same again is none of them: a
// numeral is not written, a word that is heard is not said.
var ways = []way{
	{Things, Say, 0, 10}, {Things, Write, 0, 10}, {Sticks, CountBack, sticks, sticks},
	{Frames, Say, 0, MostInFrames}, {Frames, Write, 0, MostInFrames}, {Frames, ToTen, 0, 10}, {Frames, InUnits, 10, MostInFrames}, {Frames, InParts, 11, MostInFrames},
	{Covered, CountOn, 11, MostInFrames}, {Covered, Write, 11, MostInFrames},
	{Handful, Write, 1, MostHandful}, {Handful, Say, 1, MostHandful},
	{Pieces, Say, 1, 99}, {Pieces, Write, 1, 99}, {Pieces, InUnits, 10, 99}, {Pieces, InParts, 11, 99}, {Pieces, HowMany, 10, 99},
	{Crowd, Ring, 1, crowd.Most}, {Crowd, Say, 1, crowd.Most}, {Rows, Ring, 1, crowd.Most}, {Rows, Say, 1, crowd.Most},
	{Drawn, Say, 1, 99}, {Drawn, Write, 1, 99}, {Drawn, InUnits, 10, 99}, {Drawn, InParts, 11, 99}, {Drawn, HowMany, 10, 99},
	{Word, Write, 0, Most}, {Word, Lay, 0, 99}, {Word, Fill, 0, MostInFrames}, {Word, Draw, 1, 99}, {Word, InUnits, 10, 99}, {Word, InParts, 11, 99}, {Word, Pick, 1, 99},
	{Said, Write, 0, Most}, {Said, Lay, 0, 99}, {Said, Fill, 0, MostInFrames}, {Said, Draw, 1, 99}, {Said, ToTen, 0, 10}, {Said, InUnits, 10, 99}, {Said, InParts, 11, 99}, {Said, Pick, 1, 99},
	{Numeral, Say, 0, Most}, {Numeral, Lay, 0, 99}, {Numeral, Fill, 0, MostInFrames}, {Numeral, Draw, 1, 99}, {Numeral, ToTen, 0, 10}, {Numeral, HowMany, 10, Most},
	{Numeral, InUnits, 10, 99}, {Numeral, InParts, 11, 99}, {Numeral, Pick, 1, 99}, {Numeral, Match, 1, 99},
	{Expanded, Write, 11, 99}, {Expanded, Say, 11, 99}, {Expanded, Lay, 11, 99}, {Expanded, Draw, 11, 99},
	{Units, Write, 10, 99}, {Units, Say, 10, 99}, {Units, Lay, 10, 99}, {Units, Draw, 10, 99}, {Units, InParts, 11, 99},
	{Riddle, Write, 20, 99}, {Riddle, Say, 20, 99}, {Riddle, Lay, 20, 99}, {Riddle, InUnits, 20, 99},
}

// wayOf finds the way of showing and answering a number; false where there is none.
func wayOf(s Shown, a Answered) (way, bool) {
	i := slices.IndexFunc(ways, func(w way) bool { return w.shown == s && w.answered == a })
	if i < 0 {
		return way{}, false
	}
	return ways[i], true
}

// takes tells whether a number suits the way. What is in parts has at least two of them.
func (w way) takes(n place.Number) bool {
	if n < w.least || n > w.most {
		return false
	}
	inParts := w.shown == Expanded || w.answered == InParts
	return !inParts || n%10 != 0
}

// Errors of a number that cannot be asked.
var (
	ErrNumber = fmt.Errorf("a number that is asked alone is 0 to %d", Most)
	ErrWay    = errors.New("a number cannot be asked in this way")
	ErrFrames = fmt.Errorf("three ten frames hold at most %d", MostInFrames)
	ErrNone   = errors.New("there must be something to count")
	ErrSuits  = errors.New("this number does not suit the way in which it is shown and answered")
	ErrWord   = errors.New("this is no number word")
)

// version is that of the records that are written today; there never was a first.
const version = 2

func init() {
	task.Register(Kind, task.Rules{Version: version, Read: func(_ int, data []byte) (task.Data, error) {
		var a Asked
		err := json.Unmarshal(data, &a)
		return a, err
	}, Parse: func(text string) (task.Data, error) { return Parse(text) }})
}

// From returns the number that a task asks; false for a task of another kind.
func From(t task.Task) (a Asked, ok bool) {
	a, ok = t.Data.(Asked)
	return a, ok
}

// Task is the number as a task.
func (a Asked) Task() task.Task { return task.Task{Kind: Kind, Data: a} }

// Valid tells why the number cannot be asked like this; nil when it can.
func (a Asked) Valid() error {
	w, known := wayOf(a.Shown, a.Answered)
	switch {
	case a.Number < 0 || a.Number > Most:
		return fmt.Errorf("%w, not %d", ErrNumber, a.Number)
	case !known:
		return fmt.Errorf("%w: %q, answered %q", ErrWay, a.Shown, a.Answered)
	case w.takes(a.Number):
		return nil
	case a.Number < w.least && w.least == 1:
		return ErrNone
	case a.Number > w.most && w.most == MostInFrames:
		return fmt.Errorf("%w, not %d", ErrFrames, a.Number)
	}
	return fmt.Errorf("%w: %s", ErrSuits, a)
}

// String writes the number as it is typed: "17 frames say", with its seed where it has
// one.
func (a Asked) String() string {
	text := fmt.Sprintf("%d %s %s", a.Number, a.Shown, a.Answered)
	if a.Seed != 0 {
		text += fmt.Sprint(" ", a.Seed)
	}
	return text
}

// Parse reads what String writes, and what a teacher types: a number alone is laid with
// pieces, a number word is written. The error wraps task.ErrForm where the text is
// neither.
func Parse(text string) (Asked, error) {
	fields := strings.Fields(strings.ToLower(text))
	if len(fields) == 0 {
		return Asked{}, task.ErrForm
	}
	if !digits(fields[0]) {
		return parseWord(strings.Join(fields, " "))
	}
	n, err := place.ParseNumber(fields[0])
	if len(fields) == 1 {
		a := Asked{Number: n, Shown: Numeral, Answered: Lay}
		if n == Most {
			a.Answered = Say
		}
		return a, errors.Join(err, a.Valid())
	}
	if len(fields) < 3 || len(fields) > 4 {
		return Asked{}, task.ErrForm
	}
	a := Asked{Number: n, Shown: Shown(fields[1]), Answered: Answered(fields[2])}
	if !slices.ContainsFunc(ways, func(w way) bool { return w.shown == a.Shown }) {
		return Asked{}, task.ErrForm
	}
	if len(fields) == 4 {
		seed, wrong := strconv.ParseUint(fields[3], 10, 32)
		a.Seed, err = uint32(seed), errors.Join(err, wrong)
	}
	return a, errors.Join(err, a.Valid())
}

func digits(text string) bool { return strings.Trim(text, "0123456789") == "" }

// parseWord reads a number word. What is nearly one is named.
func parseWord(text string) (Asked, error) {
	for _, r := range text {
		if (r < 'a' || r > 'z') && r != ' ' && r != '-' {
			return Asked{}, task.ErrForm
		}
	}
	n, known := place.ReadWords(text)
	if known {
		a := Asked{Number: n, Shown: Word, Answered: Write}
		return a, a.Valid()
	}
	if near, found := place.NearestWords(text); found {
		return Asked{}, fmt.Errorf("%w: %q; is %q meant?", ErrWord, text, near)
	}
	return Asked{}, fmt.Errorf("%w: %q", ErrWord, text)
}

// Tens and Ones are its parts; 100 has ten tens.
func (a Asked) Tens() int { return int(a.Number) / 10 }

// Ones are those that are in no ten.
func (a Asked) Ones() int { return int(a.Number) % 10 }

// Right is what is right: of the expanded form its parts, of unit words tens and ones.
func (a Asked) Right() task.Answer {
	switch a.Answered {
	case CountBack:
		return task.Answer{lastBox}
	case Match:
		return task.Answer{place.Number(len(choicesOf(a.Number)))}
	case HowMany:
		return task.Answer{a.Number / 10}
	case ToTen:
		return task.Answer{10 - a.Number}
	case InParts:
		return a.Number.Expanded()
	case InUnits:
		return task.Answer{a.Number / 10, a.Number % 10}
	}
	return task.Answer{a.Number}
}

// Write writes an answer as a child would: "17", "40 + 7", "4 tens 7 ones".
func (a Asked) Write(answer task.Answer) string {
	written := make([]string, len(answer))
	for i, n := range answer {
		written[i] = n.String()
	}
	switch {
	case a.Answered == InParts:
		return strings.Join(written, " + ")
	case a.Answered == InUnits && len(answer) == 2:
		return unit(answer[0], "ten") + " " + unit(answer[1], "one")
	}
	return strings.Join(written, " ")
}

func unit(n place.Number, one string) string {
	if n == 1 {
		return "1 " + one
	}
	return n.String() + " " + one + "s"
}

// Read reads an answer as it was given: in figures or, for one number, in words. Parts
// stand beside a +, tens and ones beside their words or alone.
func (a Asked) Read(given string) (task.Answer, bool) {
	text := strings.ToLower(strings.TrimSpace(given))
	switch a.Answered {
	case InParts:
		return readParts(strings.Split(text, "+"))
	case InUnits:
		for _, word := range []string{"tens", "ten", "ones", "one", "and", "units", "unit", ","} {
			text = strings.ReplaceAll(text, word, " ")
		}
		return readParts(strings.Fields(text))
	}
	if n, known := place.ReadWords(text); known {
		return task.Answer{n}, true
	}
	n, read := task.ReadNumber(text)
	return task.Answer{n}, read
}

func readParts(parts []string) (task.Answer, bool) {
	answer := task.Answer{}
	for _, part := range parts {
		n, read := task.ReadNumber(part)
		if !read {
			return nil, false
		}
		answer = append(answer, n)
	}
	return answer, len(answer) > 0
}

// Skills of whole tens: how many there are, and how much they are worth.
const (
	HowManyTens task.Skill = "tens/how-many"
	HowMuch     task.Skill = "tens/how-much"
)

// Shows lists what it shows of tens: how many, or how much.
func (a Asked) Shows() []task.Skill {
	switch {
	case a.Answered == HowMany:
		return []task.Skill{HowManyTens}
	case a.Number >= 20 && a.Ones() == 0 && (a.Answered == Say || a.Answered == Write) && (a.Shown == Units || a.Shown == Pieces || a.Shown == Drawn):
		return []task.Skill{HowMuch}
	}
	return []task.Skill{}
}

// Largest is the number itself.
func (a Asked) Largest() place.Number { return a.Number }

// Hand is what a child has in its hands while it works a number.
type Hand int

// Pieces in the hand, a pencil, or nothing.
const (
	InHand Hand = iota
	OnPaper
	InHead
)

// Hand is what the number is worked with.
func (a Asked) Hand() Hand {
	switch {
	case slices.Contains([]Shown{Things, Sticks, Frames, Covered, Handful, Pieces}, a.Shown) || a.Answered == Lay || a.Answered == Fill:
		return InHand
	case slices.Contains([]Shown{Crowd, Rows, Drawn}, a.Shown) || a.Answered == Draw || a.Answered == Pick || a.Answered == Match:
		return OnPaper
	}
	return InHead
}
