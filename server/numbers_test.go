package server_test

import (
	"context"
	"strings"
	"testing"

	"github.com/google/uuid"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/material"
	"vineswap/core/problem"
	"vineswap/store"
	"vineswap/wire"
)

// Numbers for every operation, with their swaps, and what is impossible with the
// steps that mend it.
func TestChooseByEveryOperation(t *testing.T) {
	h := newHouse(t)
	guide := h.person("assistant")
	for name, c := range map[string]struct {
		ask  wire.Choose
		says string
		why  string // that the problems cannot be laid out, in part
	}{
		"taking":           {wire.Choose{Kind: "difference", Stage: "taking/across-zeros", Digits: []int{4, 3}}, "Across zeros: a number of four digits, take away one of three digits.", ""},
		"sharing":          {wire.Choose{Kind: "share", Stage: "sharing/share-remainder", Digits: []int{2}}, "Shared, a remainder: a number of two digits shared among two to nine.", ""},
		"trays":            {wire.Choose{Kind: "trays", Digits: []int{2}, By: 3}, "Three equal groups of a number of two digits.", ""},
		"four numbers":     {wire.Choose{Digits: []int{2, 2, 2, 1}, MakesTen: "yes"}, "Four numbers of two, two, two and one digits, with a pair in the ones that makes ten.", ""},
		"five digits":      {wire.Choose{Stage: "joining/any-sum", Digits: []int{5, 5}}, "Any sum: two numbers of five digits.", "no piece larger than the thousand cube"},
		"within a shelf":   {wire.Choose{Digits: []int{2, 2}, Limit: map[string]int{"ones": 12}, Swap: map[string]string{"ones": "yes"}}, "Two numbers of two digits, with a swap in the ones and at most 12 ones on the shelf.", ""},
		"a set of a dozen": {wire.Choose{Digits: []int{3, 3}, Spread: true}, "Two numbers of three digits.", ""},
	} {
		c.ask.Count, c.ask.Seed = 12, "7"
		var got wire.Chosen
		guide.send("POST", guide.class("/choose"), c.ask).into(t, &got)
		if got.Says != c.says || len(got.Problems) != 12 || got.Fits == "0" || len(got.Finer) == 0 {
			t.Errorf("%s: %q, %s fit, %d drawn", name, got.Says, got.Fits, len(got.Problems))
			continue
		}
		for _, p := range got.Problems {
			if p.LaidOut != (c.why == "") || !strings.Contains(p.Why, c.why) || c.ask.Stage != "" && p.Stage.ID != c.ask.Stage {
				t.Errorf("%s: %s of %s, laid out %v: %s", name, p.Text, p.Stage.ID, p.LaidOut, p.Why)
			}
		}
	}
	var fitted wire.Chosen
	guide.send("POST", guide.class("/choose"), wire.Choose{Kind: "difference", Stage: "taking/across-zeros", Digits: []int{}, Fit: true, Count: 3}).into(t, &fitted)
	if len(fitted.Problems) != 3 || fitted.Choice.Digits[0] != 4 || fitted.Choice.Fit || fitted.Lengths[1].Most != 4 || fitted.Lengths[0].Least != 4 {
		t.Errorf("fitted to its stage: %+v, %+v", fitted.Choice, fitted.Lengths)
	}
	guide.send("POST", guide.class("/choose"), wire.Choose{Stage: "joining/new-place", Digits: []int{6, 5}, Fit: true, Count: 3}).into(t, &fitted)
	if fitted.Fits != "0" || len(fitted.Mends) == 0 { // four digits and a new place have no piece
		t.Errorf("fitted and within the pieces: %s, %+v", fitted.Fits, fitted.Choice)
	}
	var none wire.Chosen
	guide.send("POST", guide.class("/choose"), wire.Choose{Kind: "difference", Digits: []int{3, 3}, ZeroAt: map[string]string{"tens": "yes"}, Swap: map[string]string{"ones": "yes", "tens": "no"}, Count: 12}).into(t, &none)
	if none.Fits != "0" || !strings.HasPrefix(none.Clash, "No numbers fit: there cannot be no swap in the tens together with ") || len(none.Mends) < 3 || none.Mends[0].Text != "No swap in the ones" && none.Mends[0].Text != "A swap in the tens" && none.Mends[0].Text != "No zero in the tens" {
		t.Errorf("%+v, %q", none.Mends, none.Clash)
	}
	for _, m := range none.Mends {
		m.Choice.Count = 1
		var mended wire.Chosen
		if guide.send("POST", guide.class("/choose"), m.Choice).into(t, &mended); mended.Fits != m.Fits || m.Fits == "0" {
			t.Errorf("%s was to leave %s and leaves %s", m.Text, m.Fits, mended.Fits)
		}
	}
}

// What cannot be asked is said beside the wish that asks it.
func TestWrongChoices(t *testing.T) {
	guide := newHouse(t).person("assistant")
	for name, c := range map[string]struct {
		body  string
		field string
	}{
		"an operation":       {`{"kind":"fold","digits":[2,2]}`, "kind"},
		"two for sharing":    {`{"kind":"share","digits":[2,2]}`, "digits"},
		"a short larger one": {`{"kind":"difference","digits":[2,3]}`, "digits"},
		"a limit":            {`{"digits":[2,2],"limit":{"ones":-4}}`, "limit"},
		"a place":            {`{"digits":[2,2],"made":{"unit":"yes"}}`, "made"},
		"facts":              {`{"digits":[2,2],"facts":"hard"}`, "facts"},
		"sharers":            {`{"kind":"share","digits":[2],"by":12}`, "by"},
		"a child":            {`{"digits":[2,2],"children":["nobody"],"days":30}`, "children"},
		"days without end":   {`{"digits":[2,2],"days":100000}`, "days"},
		"a seed":             {`{"digits":[2,2],"seed":"plum"}`, "seed"},
		"a stage":            {`{"digits":[2,2],"stage":"taking/no-swap"}`, "swap"},
		"groups":             {`{"digits":[2,2],"groups":99}`, "groups"},
	} {
		if got := guide.send("POST", guide.class("/choose"), c.body); got.status != 422 || got.trouble(t).Field != c.field {
			t.Errorf("%s: %d %s", name, got.status, got.body)
		}
	}
	if got := guide.send("POST", guide.class("/choose"), wire.Choose{Kind: "share", Digits: []int{2}, Cross: "yes", Count: 1}); got.status != 200 {
		t.Errorf("a wish of another operation is let go: %s", got.body)
	}
}

// Problems that a child has had lately are not drawn again, and the answer says
// so; those of longer ago are.
func TestNotAgain(t *testing.T) {
	h := newHouse(t)
	guide := h.person("lead")
	ctx := context.Background()
	account, err := h.store.AccountByEmail(ctx, "lead@school.test")
	if err != nil {
		t.Fatal(err)
	}
	// Of the nine pairs that make ten the child has had three, one of them long ago.
	for text, ago := range map[string]int{"1+9": 2, "5+5": 29, "7+3": 90} {
		p, err := problem.Parse(text)
		if err != nil {
			t.Fatal(err)
		}
		today, err := book.ParseDay("2026-11-26")
		if err != nil {
			t.Fatal(err)
		}
		o := store.Observation{
			Observation: book.Observation{Task: p.Task(), Stage: choose.NewPlace, Manner: book.Pieces, Material: material.Beads, Help: book.Alone, Answer: "10", Came: book.Marked, Runs: 1, Day: today - book.Day(ago)},
			ID:          uuid.New(), ClassID: h.orchard, LearnerID: h.wren, RecordedBy: account.ID,
		}
		if err := h.store.Record(ctx, o, false); err != nil {
			t.Fatal(err)
		}
	}
	ask := wire.Choose{Digits: []int{1, 1}, MakesTen: "yes", Count: 12, Children: []string{h.wren.String()}, Days: 30}
	var got wire.Chosen
	guide.send("POST", guide.class("/choose"), ask).into(t, &got)
	if got.Fits != "7" || len(got.Problems) != 7 || got.LeftOut != "2 worked recently are left out" {
		t.Errorf("%s fit, %d drawn, %q", got.Fits, len(got.Problems), got.LeftOut)
	}
	for _, p := range got.Problems {
		if p.Text == "1+9" || p.Text == "5+5" {
			t.Errorf("%s was drawn again", p.Text)
		}
	}
	ask.Days = 365
	if guide.send("POST", guide.class("/choose"), ask).into(t, &got); got.Fits != "6" {
		t.Errorf("within a year %s fit", got.Fits)
	}
	ask.Children = []string{h.mina.String()} // of another class
	var theirs wire.Chosen
	if guide.send("POST", guide.class("/choose"), ask).into(t, &theirs); theirs.Fits != "9" || theirs.LeftOut != "" {
		t.Errorf("for another's child %s fit, %q", theirs.Fits, theirs.LeftOut)
	}
}

// A choice is named, found again, and dropped; one kept by another version stays
// in the list and says what to do.
func TestKeptChoices(t *testing.T) {
	h := newHouse(t)
	guide, other := h.person("assistant"), h.person("stranger")
	ask := wire.KeptChoice{ID: uuid.NewString(), Name: "  tens only  ", Choice: wire.Choose{Kind: "difference", Digits: []int{2, 2}, Swap: map[string]string{"ones": "yes"}}}
	var list wire.KeptChoices
	guide.send("POST", guide.class("/kept"), ask).into(t, &list)
	guide.send("POST", guide.class("/kept"), ask).into(t, &list) // sent twice
	if len(list.List) != 1 || list.List[0].Name != "tens only" || !list.List[0].Fits || list.List[0].Choice.Swap["ones"] != "yes" || list.List[0].Says != "A number of two digits, take away one of two digits, with a swap in the ones." {
		t.Fatalf("%+v", list)
	}
	again := ask
	again.ID = uuid.NewString()
	if got := guide.send("POST", guide.class("/kept"), again); got.status != 409 || got.trouble(t).Field != "name" {
		t.Errorf("the name twice: %d %s", got.status, got.body)
	}
	for name, bad := range map[string]wire.KeptChoice{
		"no name":   {ID: uuid.NewString(), Name: "   ", Choice: ask.Choice},
		"no digits": {ID: uuid.NewString(), Name: "none"},
		"nonsense":  {ID: uuid.NewString(), Name: "x", Choice: wire.Choose{Kind: "share", Digits: []int{2, 2}}},
	} {
		if got := guide.send("POST", guide.class("/kept"), bad); got.status != 422 {
			t.Errorf("%s: %d %s", name, got.status, got.body)
		}
	}
	keeper, err := h.store.AccountByEmail(context.Background(), "lead@school.test")
	if err != nil {
		t.Fatal(err)
	}
	for name, k := range map[string]store.KeptChoice{
		"a newer form":     {Version: 9, Choice: []byte(`{"digits":[2,2]}`)},
		"an unknown wish":  {Version: 1, Choice: []byte(`{"digits":[2,2],"zeros":"some"}`)},
		"an odd operation": {Version: 1, Choice: []byte(`{"op":"fold","digits":[2,2]}`)},
		"nothing at all":   {Version: 1, Choice: []byte(`{}`)},
		"another shape":    {Version: 1, Choice: []byte(`[1,2]`)},
	} {
		k.ID, k.ClassID, k.Name, k.KeptBy = uuid.New(), h.orchard, name, keeper.ID
		if err := h.store.KeepChoice(context.Background(), k); err != nil {
			t.Fatal(err)
		}
	}
	guide.send("GET", guide.class("/kept"), nil).into(t, &list)
	old := 0
	for _, k := range list.List {
		if !k.Fits && strings.Contains(k.Says, "can no longer be read") {
			old++
		}
	}
	if len(list.List) != 6 || old != 5 {
		t.Errorf("%d of %d are told to be old: %+v", old, len(list.List), list)
	}
	path := guide.class("/kept/" + ask.ID)
	if got := other.send("DELETE", strings.Replace(path, h.orchard.String(), h.bees.String(), 1), nil); got.status != 404 {
		t.Errorf("another class's choice: %d", got.status)
	}
	guide.send("DELETE", path, nil).into(t, &list)
	if len(list.List) != 5 {
		t.Errorf("%d are left", len(list.List))
	}
	if got := guide.send("DELETE", path, nil); got.status != 404 {
		t.Errorf("dropped twice: %d", got.status)
	}
}
