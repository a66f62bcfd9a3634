// Package number has the tasks with one number of at most six digits: it is shown in one
// way and answered in another. Seventeen apples in ten frames are said, "seventeen" is
// written, 342 is laid with pieces and cards.
package number

import (
	"encoding/json"
	"errors"
	"fmt"
	"regexp"
	"slices"
	"strconv"
	"strings"

	"vineswap/core/crowd"
	"vineswap/core/piece"
	"vineswap/core/place"
	"vineswap/core/rename"
	"vineswap/core/task"
)

// Kind is the kind of these tasks.
const Kind task.Kind = "number"

// Shown is how a number is shown.
type Shown string

// The ways in which a number is shown.
const (
	Things    Shown = "things"    // loose things, up to ten
	Sticks    Shown = "sticks"    // 45 sticks for the compartments from 0 to 9
	Frames    Shown = "frames"    // in ten frames, up to three
	Covered   Shown = "covered"   // in ten frames, the full ones covered
	Handful   Shown = "handful"   // a heap, estimated before it is counted into frames
	Pieces    Shown = "pieces"    // of the material, by their places
	Crowd     Shown = "crowd"     // scattered things, to be ringed in tens
	Rows      Shown = "rows"      // the same in rows
	Drawn     Shown = "drawn"     // a line for each ten, a dot for each one
	Cards     Shown = "cards"     // one for each place, laid on one another
	Kinds     Shown = "kinds"     // one piece of each kind up to this one: a one, a ten, a hundred, a thousand
	TenOf     Shown = "ten-of"    // ten pieces of the kind below, that make this one
	Word      Shown = "word"      // a number word to be read
	Said      Shown = "said"      // a number word that is heard
	Numeral   Shown = "numeral"   // figures
	Expanded  Shown = "expanded"  // 40 + 7
	Units     Shown = "units"     // four tens seven ones
	Riddle    Shown = "riddle"    // three tens and seventeen ones: one ten is still loose
	Renamed   Shown = "renamed"   // in unit words, with more than nine of a kind: two tens fourteen ones
	Unswapped Shown = "unswapped" // the same with pieces
	Rack10    Shown = "rack-10"   // pushed on the bead rack of 10
	Rack20    Shown = "rack-20"
	Rack100   Shown = "rack-100"
	Fingers   Shown = "fingers" // of two hands, five and some
	Bundles   Shown = "bundles" // sticks, ten of them bound together
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
	HowMany   Answered = "how-many"   // how many tens there are in all
	Hundreds  Answered = "hundreds"   // how many hundreds there are in all
	ToTen     Answered = "to-ten"     // what is missing to ten
	InParts   Answered = "expanded"   // 40 + 7
	InUnits   Answered = "units"      // four tens seven ones
	Pick      Answered = "pick"       // which picture shows it
	Match     Answered = "match"      // four pictures are laid to their numerals
	CountBack Answered = "count-back" // how many lie in the last compartment
	Rename    Answered = "rename"     // how many of a kind there are when it lies in another way
	Sign      Answered = "sign"       // which of two is more
	Decides   Answered = "decides"    // the place that decides which of two is more
	Order     Answered = "order"      // three to five, the smallest first
	Join      Answered = "join"       // two added in their parts: 60 + 12 = 72
	Push      Answered = "push"       // shown on the smallest bead rack that has so many
)

// Limits of a number that is asked.
const (
	Most         = 999_999 // of all
	MostLaid     = place.MostWithPieces
	MostInFrames = 30
	MostHandful  = 40
	MostJoined   = 999 // of two numbers that are added in their parts
	sticks       = 45  // 0 + 1 + 2 … + 9
	lastBox      = 9
)

// Asked is one number, how it is shown and how it is answered. It is the data of its
// tasks. Where numbers are compared or added there are more of them.
type Asked struct {
	Number   place.Number                   `json:"number"`
	Shown    Shown                          `json:"shown"`
	Answered Answered                       `json:"answered"`
	Seed     uint32                         `json:"seed,omitempty"` // by which things lie scattered
	Way      uint32                         `json:"way,omitempty"`  // in which a number lies that is renamed: its index in rename.Nth
	With     [MostCompared - 1]place.Number `json:"with,omitzero"`  // the other numbers, zeros after the last
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
	{Frames, Say, 0, MostInFrames}, {Frames, Write, 0, MostInFrames}, {Frames, ToTen, 0, 10}, {Frames, InUnits, 10, MostInFrames}, {Frames, InParts, 10, MostInFrames},
	{Covered, CountOn, 11, MostInFrames}, {Covered, Write, 11, MostInFrames},
	{Handful, Write, 1, MostHandful}, {Handful, Say, 1, MostHandful},
	{Pieces, Say, 1, MostLaid}, {Pieces, Write, 1, MostLaid}, {Pieces, WithCards, hundred, MostLaid}, {Pieces, InUnits, 10, MostLaid}, {Pieces, InParts, 10, MostLaid}, {Pieces, HowMany, 10, MostLaid}, {Pieces, Hundreds, 1000, MostLaid},
	{Crowd, Ring, 1, crowd.Most}, {Crowd, Say, 1, crowd.Most}, {Rows, Ring, 1, crowd.Most}, {Rows, Say, 1, crowd.Most},
	{Drawn, Say, 1, MostLaid}, {Drawn, Write, 1, MostLaid}, {Drawn, InUnits, 10, MostLaid}, {Drawn, InParts, 10, MostLaid}, {Drawn, HowMany, 10, 99},
	{Cards, Say, hundred, Most}, {Cards, Write, hundred, Most}, {Cards, Lay, hundred, MostLaid}, {Cards, InParts, hundred, Most},
	{Word, Write, 0, Most}, {Word, Lay, 0, MostLaid}, {Word, WithCards, hundred, Most}, {Word, Fill, 0, MostInFrames}, {Word, Draw, 1, MostLaid}, {Word, InUnits, 10, MostLaid}, {Word, InParts, 10, Most}, {Word, Pick, 1, 99},
	{Said, Write, 0, Most}, {Said, Lay, 0, MostLaid}, {Said, WithCards, hundred, Most}, {Said, Fill, 0, MostInFrames}, {Said, Draw, 1, MostLaid}, {Said, ToTen, 0, 10}, {Said, InUnits, 10, MostLaid}, {Said, InParts, 10, Most}, {Said, Pick, 1, 99},
	{Numeral, Say, 0, Most}, {Numeral, Lay, 0, MostLaid}, {Numeral, WithCards, hundred, Most}, {Numeral, Fill, 0, MostInFrames}, {Numeral, Draw, 1, MostLaid}, {Numeral, ToTen, 0, 10}, {Numeral, HowMany, 10, MostLaid}, {Numeral, Hundreds, 1000, MostLaid},
	{Numeral, InUnits, 10, MostLaid}, {Numeral, InParts, 10, Most}, {Numeral, Pick, 1, 99}, {Numeral, Match, 1, 99},
	{Expanded, Write, 10, Most}, {Expanded, Say, 10, Most}, {Expanded, Lay, 10, MostLaid}, {Expanded, Draw, 10, MostLaid},
	{Units, Write, 10, MostLaid}, {Units, Say, 10, MostLaid}, {Units, Lay, 10, MostLaid}, {Units, Draw, 10, MostLaid}, {Units, InParts, 10, MostLaid},
	{Kinds, Say, 1, 1000}, {Kinds, Write, 1, 1000}, {TenOf, Say, 10, 1000}, {TenOf, Write, 10, 1000},
	{Riddle, Write, 20, 99}, {Riddle, Say, 20, 99}, {Riddle, Lay, 20, 99}, {Riddle, InUnits, 20, 99},
	{Renamed, Lay, 10, MostLaid}, {Renamed, Write, 10, MostLaid}, {Renamed, Say, 10, MostLaid}, {Unswapped, Write, 10, MostLaid}, {Unswapped, Say, 10, MostLaid},
	{Pieces, Rename, 10, MostLaid}, {Numeral, Rename, 10, MostLaid}, {Said, Rename, 10, MostLaid},
	{Pieces, Sign, 1, MostLaid}, {Pieces, Decides, 1, MostLaid}, {Pieces, Order, 1, MostLaid}, {Drawn, Sign, 1, MostLaid}, {Drawn, Order, 1, MostLaid}, {Cards, Sign, 10, Most}, {Cards, Order, 10, Most},
	{Numeral, Sign, 1, Most}, {Numeral, Decides, 1, Most}, {Numeral, Order, 1, Most}, {Word, Sign, 1, Most}, {Word, Order, 1, Most}, {Said, Sign, 1, Most},
	{Rack10, Say, 0, 10}, {Rack10, Write, 0, 10}, {Rack10, ToTen, 0, 10}, {Rack20, Say, 0, 20}, {Rack20, Write, 0, 20}, {Rack20, InUnits, 10, 20}, {Rack20, InParts, 10, 20},
	{Rack100, Say, 0, 100}, {Rack100, Write, 0, 100}, {Rack100, HowMany, 10, 99}, {Rack100, InUnits, 10, 99}, {Rack100, InParts, 10, 99},
	{Numeral, Push, 0, 100}, {Word, Push, 0, 100}, {Said, Push, 0, 100}, {Fingers, Say, 0, 10}, {Fingers, Write, 0, 10}, {Fingers, ToTen, 0, 10},
	{Bundles, Say, 1, 99}, {Bundles, Write, 1, 99}, {Bundles, HowMany, 10, 99},
	{Cards, Join, 10, MostJoined}, {Expanded, Join, 10, MostJoined}, {Units, Join, 10, MostJoined},
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
func (w way) inParts() bool {
	return w.shown == Expanded || w.answered == InParts || w.answered == Join
}

// takesLength tells whether numbers of so many digits suit the way.
func (w way) takesLength(digits int) bool {
	return int(w.least) <= power(10, digits-1) && power(10, digits) <= int(w.most)+1
}

// Errors of a number that cannot be asked.
var (
	ErrNumber   = fmt.Errorf("a number that is asked alone is 0 to %d", Most)
	ErrCrowd    = fmt.Errorf("a crowd has 1 to %d things", crowd.Most)
	ErrLaid     = fmt.Errorf("pieces go up to %d; above there are cards", MostLaid)
	ErrWay      = errors.New("a number cannot be asked in this way")
	ErrFrames   = fmt.Errorf("three ten frames hold at most %d", MostInFrames)
	ErrNone     = errors.New("there must be something to count")
	ErrSuits    = errors.New("this number does not suit the way in which it is shown and answered")
	ErrWord     = errors.New("this is no number word")
	ErrUsual    = errors.New("this is how the number usually lies; renamed, ten or more of a kind lie there")
	ErrTray     = fmt.Errorf("a tray has at most %d pieces of a kind", rename.Most)
	ErrLies     = errors.New("there is no such way of laying the number")
	ErrMore     = fmt.Errorf("two numbers are compared, three to %d put in order", MostCompared)
	ErrCard     = errors.New("there is no such card: cards are 1 to 9, 10 to 90, 100 to 900 and so on")
	ErrTwoCards = errors.New("two cards of one place do not lie on one another")
	ErrZero     = errors.New("numbers that are compared are 1 or more")
	ErrSame     = errors.New("numbers that are compared are different ones")
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
	case !w.takesSeveral(len(a.Numbers())) || a.gaps():
		return fmt.Errorf("%w: %s", ErrMore, a)
	case w.takes(a.Number) && w.several():
		return a.validWith(w)
	case w.takes(a.Number) && w.renamed():
		return a.validWay(w)
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

// validWay tells why the number cannot lie in the way that is asked for.
func (a Asked) validWay(w way) error {
	switch way := uint64(a.Way); {
	case way > usualWay(a.Number):
		return fmt.Errorf("%w: %d", ErrLies, a.Number)
	case way == usualWay(a.Number):
		return ErrUsual
	}
	if p, tooMany := rename.TooMany(a.Holding()); tooMany && w.onTray() {
		return fmt.Errorf("%w, not %s", ErrTray, unit(place.Number(a.Holding().At(p)), p))
	}
	return nil
}

// validWith tells why the numbers cannot be asked together.
func (a Asked) validWith(w way) error {
	list := a.Numbers()
	for i, n := range list {
		switch {
		case n > Most:
			return fmt.Errorf("%w, not %d", ErrNumber, n)
		case n > w.most && w.most == MostLaid:
			return fmt.Errorf("%w: %d", ErrLaid, n)
		case !w.takes(n):
			return fmt.Errorf("%w: %s", ErrSuits, a)
		case w.answered.compares() && slices.Contains(list[:i], n):
			return fmt.Errorf("%w: %d", ErrSame, n)
		}
	}
	return nil
}

// gaps tells whether a number stands after an empty place.
func (a Asked) gaps() bool {
	return a.With != withNumbers(a.Numbers()[1:]) || slices.Min(a.With[:]) < 0
}

// String writes the number as it is typed: "17 frames say", with its seed where it has
// one, and its way where it is renamed: "34 renamed write 2". More numbers stand beside
// it: "342,243 numeral sign".
func (a Asked) String() string {
	text := fmt.Sprintf("%s %s %s", listing(a.Numbers()), a.Shown, a.Answered)
	if seed := a.Seed; seed != 0 {
		text += fmt.Sprint(" ", seed)
	}
	if a.renames() {
		text += fmt.Sprint(" ", a.Way)
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
	if fields[0] == "cards" {
		return parseCards(fields[1:])
	}
	if !strings.ContainsAny(fields[0][:1], "0123456789") {
		return parseWord(strings.Join(fields, " "))
	}
	if a, units, err := parseUnits(fields); units {
		return a, err
	}
	if list, only, err := parseList(fields); only {
		if err == nil {
			err = compared(list).Valid()
		}
		return compared(list), err
	}
	if len(fields) == 1 && grouped.MatchString(fields[0]) {
		fields[0] = strings.ReplaceAll(fields[0], ",", "")
	}
	list, err := numbersIn(strings.Split(fields[0], ","))
	if err != nil && !digits(strings.ReplaceAll(fields[0], ",", "")) {
		return Asked{}, task.ErrForm
	}
	if err == nil && len(fields) == 1 && len(list) > 1 { // bars of beads, perhaps
		return Asked{}, task.ErrForm
	}
	n := list[0]
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
	a := Asked{Number: n, Shown: Shown(fields[1]), Answered: Answered(fields[2]), With: withNumbers(list[1:])}
	if !slices.ContainsFunc(ways, func(w way) bool { return w.shown == a.Shown }) {
		return Asked{}, task.ErrForm
	}
	if len(fields) == 4 {
		seed, wrong := strconv.ParseUint(fields[3], 10, 32)
		err = errors.Join(err, wrong)
		if a.renames() {
			a.Way = uint32(seed)
		} else {
			a.Seed = uint32(seed)
		}
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

// grouped is a number with commas before each three figures, as some classes write it.
var grouped = regexp.MustCompile(`^[0-9]{1,3}(,[0-9]{3})+$`)

// listing writes numbers beside one another.
func listing(list []place.Number) string {
	written := make([]string, len(list))
	for i, n := range list {
		written[i] = n.String()
	}
	return strings.Join(written, ",")
}

// numbersIn reads one to five numbers.
func numbersIn(texts []string) ([]place.Number, error) {
	list := make([]place.Number, 0, len(texts))
	var wrong error
	for _, text := range texts {
		n, err := place.ParseNumber(text)
		list, wrong = append(list, n), errors.Join(wrong, err)
	}
	if len(list) > MostCompared {
		return list[:MostCompared], ErrMore
	}
	return list, wrong
}

// parseList reads numbers that are typed beside one another, to be compared; false where
// other words are among them.
func parseList(fields []string) ([]place.Number, bool, error) {
	fields = slices.DeleteFunc(slices.Clone(fields), func(f string) bool { return f == "<" || f == ">" || f == "?" })
	if len(fields) < 2 || slices.ContainsFunc(fields, func(f string) bool { return !digits(f) }) {
		return nil, false, nil
	}
	list, err := numbersIn(fields)
	if slices.Contains(list, 0) {
		err = errors.Join(err, ErrZero)
	}
	return list, true, err
}

// compared asks which of two is more, or the order of more of them.
func compared(list []place.Number) Asked {
	a := Asked{Number: list[0], With: withNumbers(list[1:]), Shown: Numeral, Answered: Order}
	if len(list) == 2 {
		a.Answered = Sign
	}
	return a
}

// parseUnits reads a number in unit words as they are typed, "2 tens 14 ones"; false where
// the text is none.
func parseUnits(fields []string) (Asked, bool, error) {
	counts, units := unitCounts(fields)
	if !units {
		return Asked{}, false, nil
	}
	var value place.Number
	var way piece.Holding
	for p, n := range counts {
		if n > Most {
			return Asked{}, true, fmt.Errorf("%w, not %d", ErrNumber, n)
		}
		value += n * place.Number(place.Place(p).Unit())
		if p <= int(place.Thousands) {
			way[piece.Of(place.Place(p))] = int16(min(n, MostLaid+1))
		}
	}
	a := Asked{Number: value, Shown: Units, Answered: Write}
	if value <= MostLaid && way != usual(value) {
		a.Shown, a.Way = Renamed, uint32(rename.Index(value, way))
	}
	return a, true, a.Valid()
}

// parseCards reads number cards as they are typed, "cards 300 40 2": one for each place at
// most.
func parseCards(fields []string) (Asked, error) {
	var value place.Number
	var there [place.Count]bool
	for _, field := range fields {
		n, err := place.ParseNumber(field)
		if err != nil {
			return Asked{}, err
		}
		if len(n.Expanded()) != 1 {
			return Asked{}, fmt.Errorf("%w: %d", ErrCard, n)
		}
		if there[n.Top()] {
			return Asked{}, fmt.Errorf("%w: %d", ErrTwoCards, n)
		}
		there[n.Top()] = true
		value += n
	}
	a := Asked{Number: value, Shown: Cards, Answered: Say}
	return a, a.Valid()
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
		return task.Answer{place.Number(len(ChoicesOf(a.Number)))}
	case HowMany:
		return task.Answer{a.Number / 10}
	case Hundreds:
		return task.Answer{a.Number / 100}
	case ToTen:
		return task.Answer{10 - a.Number}
	case Rename:
		return task.Answer{place.Number(a.Holding().At(a.Blank()))}
	case Sign:
		if a.Number < a.With[0] {
			return task.Answer{less}
		}
		return task.Answer{greater}
	case Decides:
		return task.Answer{place.Number(Deciding(a.Number, a.With[0]).Unit())}
	case Order:
		list := a.Numbers()
		slices.Sort(list)
		return list
	case Join:
		return task.Answer{a.Number + a.With[0]}
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

// The answers to which of two is more.
const (
	less    place.Number = 1 // the first is less
	greater place.Number = 2
)

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
	case a.Answered == Sign && len(answer) == 1 && answer[0] >= less && answer[0] <= greater:
		return string(" <>"[answer[0]])
	case a.Answered == Decides && len(answer) == 1:
		if p := answer[0].Top(); int(answer[0]) == p.Unit() {
			return p.String()
		}
	case a.Answered == Order:
		return strings.Join(written, ", ")
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
	case Sign:
		return readSign(text)
	case Decides:
		if p, known := unitWords[text]; known {
			return task.Answer{place.Number(p.Unit())}, true
		}
	case Order:
		return readParts(strings.FieldsFunc(text, func(r rune) bool { return strings.ContainsRune(" ,;<", r) }))
	}
	if n, known := place.ReadWords(text); known {
		return task.Answer{n}, true
	}
	n, read := task.ReadNumber(text)
	return task.Answer{n}, read
}

// readSign reads which of two numbers is more: the sign, or how it is said.
func readSign(text string) (task.Answer, bool) {
	switch strings.TrimSuffix(text, " than") {
	case "<", "less", "is less", "smaller":
		return task.Answer{less}, true
	case ">", "more", "greater", "is more", "is greater", "larger":
		return task.Answer{greater}, true
	}
	return nil, false
}

// unitWords are the words for the places, as they are typed.
var unitWords = map[string]place.Place{
	"one": place.Ones, "ones": place.Ones, "unit": place.Ones, "units": place.Ones, "ten": place.Tens, "tens": place.Tens,
	"hundred": place.Hundreds, "hundreds": place.Hundreds, "thousand": place.Thousands, "thousands": place.Thousands, "ten-thousands": place.TenThousands, "hundred-thousands": place.HundredThousands,
}

// readUnits reads how many there are of each place: beside its word, where a place that is
// not named has none, or alone, the highest first.
func readUnits(text string) (task.Answer, bool) {
	fields := strings.Fields(strings.NewReplacer(",", " ", "+", " ").Replace(text))
	fields = slices.DeleteFunc(fields, func(f string) bool { return f == "and" })
	named, units := unitCounts(fields)
	if !units {
		return readParts(fields)
	}
	top := place.Tens // tens and ones are always said
	for i := 1; i < len(fields); i += 2 {
		top = max(top, unitWords[fields[i]])
	}
	answer := task.Answer{}
	for p := top; p >= place.Ones; p-- {
		answer = append(answer, named[p])
	}
	return answer, true
}

// unitCounts reads how many of each place are named, each beside its word; false where the
// text is something else.
func unitCounts(fields []string) (counts [place.Count]place.Number, units bool) {
	if len(fields) < 2 || len(fields)%2 > 0 {
		return counts, false
	}
	for i := 0; i < len(fields); i += 2 {
		p, known := unitWords[fields[i+1]]
		n, read := task.ReadNumber(fields[i])
		if !known || !read {
			return counts, false
		}
		counts[p] = n
	}
	return counts, true
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

// Skills of renaming: a number in another way, and how many of a kind there are in all.
const (
	Renames task.Skill = "places/renames"
	AllOf   task.Skill = "places/all-of"
)

// Shows lists what it shows of tens: how many, or how much.
func (a Asked) Shows() []task.Skill {
	_, inAll := a.InAll()
	switch {
	case a.renames():
		return []task.Skill{Renames}
	case inAll && a.large():
		return []task.Skill{AllOf}
	case a.Answered == HowMany:
		return []task.Skill{HowManyTens}
	case a.Number >= 20 && a.Ones() == 0 && (a.Answered == Say || a.Answered == Write) && (a.Shown == Units || a.Shown == Pieces || a.Shown == Drawn):
		return []task.Skill{HowMuch}
	}
	return []task.Skill{}
}

// Largest is the number itself, or the largest of them; of two that are added the sum.
func (a Asked) Largest() place.Number {
	if a.Answered == Join {
		return a.Number + a.With[0]
	}
	return max(a.Number, slices.Max(a.With[:]))
}

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
	case slices.Contains([]Shown{Things, Sticks, Frames, Covered, Handful, Pieces, Cards, Kinds, TenOf, Unswapped, Rack10, Rack20, Rack100, Fingers, Bundles}, a.Shown) || slices.Contains([]Answered{Lay, Fill, WithCards, Push}, a.Answered):
		return InHand
	case slices.Contains([]Shown{Crowd, Rows, Drawn}, a.Shown) || a.Answered == Draw || a.Answered == Pick || a.Answered == Match:
		return OnPaper
	}
	return InHead
}
