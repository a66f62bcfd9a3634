// Package number has the tasks with one number of at most six digits: it is shown in one
// way and answered in another. Seventeen apples in ten frames are said, "seventeen" is
// written, 342 is laid with pieces and cards.
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
	Pieces   Shown = "pieces"   // of the material, by their places
	Crowd    Shown = "crowd"    // scattered things, to be ringed in tens
	Rows     Shown = "rows"     // the same in rows
	Drawn    Shown = "drawn"    // a line for each ten, a dot for each one
	Cards    Shown = "cards"    // one for each place, laid on one another
	Kinds    Shown = "kinds"    // one piece of each kind up to this one: a one, a ten, a hundred, a thousand
	TenOf    Shown = "ten-of"   // ten pieces of the kind below, that make this one
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
	Lay       Answered = "lay"        // with pieces or, up to ten, with things; from 100 on with cards too
	WithCards Answered = "cards"      // with cards alone
	Fill      Answered = "fill"       // into ten frames
	CountOn   Answered = "count-on"   // from the covered ten
	Ring      Answered = "ring"       // each ten is ringed, then tens and ones are written
	Draw      Answered = "draw"       // the quick drawing
	HowMany   Answered = "how-many"   // how many tens there are
	Hundreds  Answered = "hundreds"   // how many hundreds there are
	ToTen     Answered = "to-ten"     // what is missing to ten
	InParts   Answered = "expanded"   // 40 + 7
	InUnits   Answered = "units"      // four tens seven ones
	Pick      Answered = "pick"       // which picture shows it
	Match     Answered = "match"      // four pictures are laid to their numerals
	CountBack Answered = "count-back" // how many lie in the last compartment
)

// Limits of a number that is asked.
const (
	Most         = 999_999 // of all
	MostLaid     = place.MostWithPieces
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
	{Pieces, Say, 1, MostLaid}, {Pieces, Write, 1, MostLaid}, {Pieces, WithCards, hundred, MostLaid}, {Pieces, InUnits, 10, MostLaid}, {Pieces, InParts, 11, MostLaid}, {Pieces, HowMany, 10, 99},
	{Crowd, Ring, 1, crowd.Most}, {Crowd, Say, 1, crowd.Most}, {Rows, Ring, 1, crowd.Most}, {Rows, Say, 1, crowd.Most},
	{Drawn, Say, 1, MostLaid}, {Drawn, Write, 1, MostLaid}, {Drawn, InUnits, 10, MostLaid}, {Drawn, InParts, 11, MostLaid}, {Drawn, HowMany, 10, 99},
	{Cards, Say, hundred, Most}, {Cards, Write, hundred, Most}, {Cards, Lay, hundred, MostLaid}, {Cards, InParts, hundred, Most},
	{Word, Write, 0, Most}, {Word, Lay, 0, MostLaid}, {Word, WithCards, hundred, Most}, {Word, Fill, 0, MostInFrames}, {Word, Draw, 1, MostLaid}, {Word, InUnits, 10, MostLaid}, {Word, InParts, 11, Most}, {Word, Pick, 1, 99},
	{Said, Write, 0, Most}, {Said, Lay, 0, MostLaid}, {Said, WithCards, hundred, Most}, {Said, Fill, 0, MostInFrames}, {Said, Draw, 1, MostLaid}, {Said, ToTen, 0, 10}, {Said, InUnits, 10, MostLaid}, {Said, InParts, 11, Most}, {Said, Pick, 1, 99},
	{Numeral, Say, 0, Most}, {Numeral, Lay, 0, MostLaid}, {Numeral, WithCards, hundred, Most}, {Numeral, Fill, 0, MostInFrames}, {Numeral, Draw, 1, MostLaid}, {Numeral, ToTen, 0, 10}, {Numeral, HowMany, 10, MostLaid}, {Numeral, Hundreds, 1000, MostLaid},
	{Numeral, InUnits, 10, MostLaid}, {Numeral, InParts, 11, Most}, {Numeral, Pick, 1, 99}, {Numeral, Match, 1, 99},
	{Expanded, Write, 11, Most}, {Expanded, Say, 11, Most}, {Expanded, Lay, 11, MostLaid}, {Expanded, Draw, 11, MostLaid},
	{Units, Write, 10, MostLaid}, {Units, Say, 10, MostLaid}, {Units, Lay, 10, MostLaid}, {Units, Draw, 10, MostLaid}, {Units, InParts, 11, MostLaid},
	{Kinds, Say, 1, 1000}, {Kinds, Write, 1, 1000}, {TenOf, Say, 10, 1000}, {TenOf, Write, 10, 1000},
	{Riddle, Write, 20, 99}, {Riddle, Say, 20, 99}, {Riddle, Lay, 20, 99}, {Riddle, InUnits, 20, 99},
}

// hundred is where the places begin: what is below belongs to tens and ones.
const hundred = 100

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
	if w.ofKinds() {
		return int(n) == n.Top().Unit()
	}
	return !w.inParts() || len(n.Expanded()) > 1
}

// ofKinds tells whether the kinds are shown: one of them, or what makes the next.
func (w way) ofKinds() bool { return w.shown == Kinds || w.shown == TenOf }

// inParts tells whether the number is shown or answered in its parts.
func (w way) inParts() bool { return w.shown == Expanded || w.answered == InParts }

// takesLength tells whether numbers of so many digits suit the way.
func (w way) takesLength(digits int) bool {
	return int(w.least) <= power(10, digits-1) && power(10, digits) <= int(w.most)+1
}

// Errors of a number that cannot be asked.
var (
	ErrNumber = fmt.Errorf("a number that is asked alone is 0 to %d", Most)
	ErrCrowd  = fmt.Errorf("a crowd has 1 to %d things", crowd.Most)
	ErrLaid   = fmt.Errorf("pieces go up to %d; above there are cards", MostLaid)
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
	case a.Number > w.most && (a.Shown == Crowd || a.Shown == Rows):
		return fmt.Errorf("%w, not %d", ErrCrowd, a.Number)
	case a.Number > w.most && w.most == MostLaid:
		return fmt.Errorf("%w: %d", ErrLaid, a.Number)
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
		if n > MostLaid {
			a.Answered = WithCards
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

// Places are the places of its digits, the highest first.
func (a Asked) Places() []place.Place {
	var list []place.Place
	for p := a.Number.Top(); p >= place.Ones; p-- {
		list = append(list, p)
	}
	return list
}

// large tells whether hundreds or more lie on the mat.
func (a Asked) large() bool { return a.Number >= hundred }

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
	case Hundreds:
		return task.Answer{a.Number / 100}
	case ToTen:
		return task.Answer{10 - a.Number}
	case InParts:
		return a.Number.Expanded()
	case InUnits:
		if a.large() {
			return inUnits(a.Number)
		}
		return task.Answer{a.Number / 10, a.Number % 10}
	}
	return task.Answer{a.Number}
}

// inUnits are the digits of a number, the highest first.
func inUnits(n place.Number) task.Answer {
	digits := task.Answer{}
	for p := n.Top(); p >= place.Ones; p-- {
		digits = append(digits, place.Number(n.Digit(p)))
	}
	return digits
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
	case a.Answered == InUnits && len(answer) > 1 && len(answer) <= place.Count:
		for i, n := range answer {
			written[i] = unit(n, place.Place(len(answer)-1-i))
		}
	}
	return strings.Join(written, " ")
}

func unit(n place.Number, p place.Place) string {
	if n == 1 {
		return "1 " + strings.TrimSuffix(p.String(), "s")
	}
	return n.String() + " " + p.String()
}

// Read reads an answer as it was given: in figures or, for one number, in words. Parts
// stand beside a +, tens and ones beside their words or alone.
func (a Asked) Read(given string) (task.Answer, bool) {
	text := strings.ToLower(strings.TrimSpace(given))
	switch a.Answered {
	case InParts:
		return readParts(strings.Split(text, "+"))
	case InUnits:
		return readUnits(text)
	}
	if n, known := place.ReadWords(text); known {
		return task.Answer{n}, true
	}
	n, read := task.ReadNumber(text)
	return task.Answer{n}, read
}

// unitWords are the words for the places, as they are typed.
var unitWords = map[string]place.Place{
	"one": place.Ones, "ones": place.Ones, "unit": place.Ones, "units": place.Ones, "ten": place.Tens, "tens": place.Tens,
	"hundred": place.Hundreds, "hundreds": place.Hundreds, "thousand": place.Thousands, "thousands": place.Thousands,
}

// readUnits reads how many there are of each place: beside its word, where a place that is
// not named has none, or alone, the highest first.
func readUnits(text string) (task.Answer, bool) {
	fields := strings.Fields(strings.NewReplacer(",", " ", "+", " ").Replace(text))
	fields = slices.DeleteFunc(fields, func(f string) bool { return f == "and" })
	var named [place.Count]place.Number
	top := place.Tens // tens and ones are always said
	for i := 0; i+1 < len(fields); i += 2 {
		p, known := unitWords[fields[i+1]]
		n, read := task.ReadNumber(fields[i])
		if !known || !read {
			return readParts(fields)
		}
		named[p], top = n, max(top, p)
	}
	if len(fields) == 0 || len(fields)%2 > 0 {
		return readParts(fields)
	}
	answer := task.Answer{}
	for p := top; p >= place.Ones; p-- {
		answer = append(answer, named[p])
	}
	return answer, true
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
	case slices.Contains([]Shown{Things, Sticks, Frames, Covered, Handful, Pieces, Cards, Kinds, TenOf}, a.Shown) || slices.Contains([]Answered{Lay, Fill, WithCards}, a.Answered):
		return InHand
	case slices.Contains([]Shown{Crowd, Rows, Drawn}, a.Shown) || a.Answered == Draw || a.Answered == Pick || a.Answered == Match:
		return OnPaper
	}
	return InHead
}
