package group_test

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/group"
	"vineswap/core/ladder"
	"vineswap/core/number"
)

const today = book.Day(20_000)

// school is a class that records something every week.
var school = func() ladder.Class {
	var c ladder.Class
	for w := today.Week() - 20; w <= today.Week(); w++ {
		c.Weeks = append(c.Weeks, w)
	}
	return c
}()

// stand is how somebody stands at stages of joining with pieces: "no-swap secure
// 3" was seen three days ago, "no-swap secure 0 4" is the fourth run by choice.
// Single digits count as met for all.
func stand(t *testing.T, text string) ladder.Child {
	t.Helper()
	s := ladder.Standings{}
	for part := range strings.SplitSeq(text, ";") {
		var stage, state string
		var ago, runs int
		if n, _ := fmt.Sscan(part, &stage, &state, &ago, &runs); n < 3 {
			continue
		}
		s[ladder.Key{Stage: choose.StageID("joining/" + stage), Manner: book.Pieces}] = ladder.Standing{State: ladder.State(state), Last: today - book.Day(ago), Near: today - book.Day(ago), Used: today - book.Day(ago), Since: today - book.Day(ago), Chosen: runs, ChosenOn: today - book.Day(ago)}
	}
	met := map[choose.StageID]bool{number.TensAndOnes: true, number.FullTen: true, choose.WithinTen: true, choose.OverTen: true, choose.TakeWithinTen: true, choose.BackOverTen: true}
	return ladder.Child{Standings: s, Class: school, Met: met}
}

// class is made-up children by name.
func class(t *testing.T, stands ...string) []group.Child {
	t.Helper()
	var children []group.Child
	for _, text := range stands {
		name, rest, _ := strings.Cut(text, ":")
		children = append(children, group.Child{ID: strings.ToLower(name), Name: name, Child: stand(t, rest)})
	}
	return children
}

func orchard(t *testing.T) []group.Child {
	return class(t,
		"Ada: no-swap secure 1; one-swap-ones secure 2; one-swap-higher under-way 2",
		"Bram: no-swap secure 3; one-swap-ones wobbling 3",
		"Clio: no-swap secure 40",
		"Finn: no-swap secure 9",
		"Greta:",
		"Hugo: no-swap secure 0 4",
	)
}

// told writes groups as "steady Bram; …".
func told(groups []group.Group) string {
	var out []string
	for _, g := range groups {
		line := string(g.Need)
		for _, c := range g.Children {
			line += " " + c.Name
		}
		out = append(out, line)
	}
	return strings.Join(out, "; ")
}

func TestGroups(t *testing.T) {
	for _, c := range []struct {
		order group.Order
		stage choose.StageID
		want  string
	}{
		{group.ByNeed, choose.NoSwap, "steady Bram; check-again Clio; ready Finn Hugo; growing Ada; unseen Greta"},
		{group.ByWait, choose.NoSwap, "long Greta Clio Finn; lately Bram Ada Hugo"},
		{group.ByNearness, choose.OneSwapOnes, "near Bram Clio Finn Hugo; before Greta; beyond Ada"},
		{group.ByNearness, choose.SeveralSwaps, "before Ada Bram Clio Finn Hugo Greta"},
	} {
		got := group.Groups(c.order, orchard(t), ladder.Joining, c.stage, today)
		if told(got) != c.want {
			t.Errorf("%s, %s:\n%s, wanted\n%s", c.order, c.stage, told(got), c.want)
		}
	}
	if got := group.Groups(group.ByNeed, nil, ladder.Joining, choose.NoSwap, today); len(got) != 0 {
		t.Errorf("nobody stands as %v", got)
	}
}

// Every child stands in every order exactly once.
func TestNobodyIsLostInAnOrder(t *testing.T) {
	for _, order := range group.Orders() {
		for _, strand := range ladder.Strands() {
			for _, stage := range ladder.Stages(strand) {
				var names []string
				for _, g := range group.Groups(order, orchard(t), strand, stage.ID, today) {
					if len(g.Children) == 0 {
						t.Errorf("%s: an empty group %s", order, g.Need)
					}
					for _, c := range g.Children {
						names = append(names, c.Name)
					}
				}
				slices.Sort(names)
				if strings.Join(names, " ") != "Ada Bram Clio Finn Greta Hugo" {
					t.Errorf("%s at %s: %v", order, stage.ID, names)
				}
			}
		}
	}
}

func namesOf(children []group.Child) string {
	var out []string
	for _, c := range children {
		out = append(out, c.Name)
	}
	return strings.Join(out, " ")
}

func TestProposed(t *testing.T) {
	for _, c := range []struct {
		name  string
		stage choose.StageID
		most  int
		want  string
	}{
		{"who waits longest first, who repeats by choice is left alone", choose.OneSwapOnes, 4, "Clio Finn Bram"},
		{"as many as there are seats", choose.OneSwapOnes, 2, "Clio Finn"},
		{"under way comes after", choose.OneSwapHigher, 4, "Ada"},
		{"nobody", choose.AnySum, 4, ""},
	} {
		if got := namesOf(group.ProposedAt(orchard(t), ladder.StrandOf(c.stage), c.most, nil, today)[c.stage]); got != c.want {
			t.Errorf("%s: %s, wanted %s", c.name, got, c.want)
		}
	}
}

// In the class's own proposals, too, nobody sits beside a child from whom it is kept apart; the
// next one comes instead.
func TestProposedApart(t *testing.T) {
	children := orchard(t)
	for _, stage := range ladder.Stages(ladder.Joining) {
		who := group.ProposedAt(children, ladder.Joining, 4, nil, today)[stage.ID]
		if len(who) < 2 {
			continue
		}
		for _, pair := range []group.Pair{{who[0].ID, who[1].ID}, {who[1].ID, who[0].ID}} {
			then := group.ProposedAt(children, ladder.Joining, 4, []group.Pair{pair}, today)[stage.ID]
			has := func(id string) bool {
				return slices.ContainsFunc(then, func(c group.Child) bool { return c.ID == id })
			}
			if !has(who[0].ID) || has(who[1].ID) {
				t.Errorf("%s: %s, kept apart", stage.ID, namesOf(then))
			}
		}
	}
}

// A class of nobody, of one, of one of whom nothing is recorded, and of forty; a child kept
// apart from itself or from one who is not there sits all the same.
func TestClassesOfEverySize(t *testing.T) {
	all := orchard(t)
	nothing := group.Child{ID: "new", Name: "New N.", Child: ladder.Child{Class: school}}
	var forty []group.Child
	for i := range 40 {
		c := all[i%len(all)]
		c.ID, c.Name = fmt.Sprint("child-", i), fmt.Sprint("Child ", i)
		forty = append(forty, c)
	}
	for name, c := range map[string]struct {
		children []group.Child
		apart    []group.Pair
		lessons  int
	}{
		"nobody":                  {nil, nil, 0},
		"one":                     {all[:1], nil, 1},
		"one without a record":    {[]group.Child{nothing}, nil, 1},
		"apart from itself":       {all[:1], []group.Pair{{all[0].ID, all[0].ID}}, 1},
		"apart from one who left": {all[:1], []group.Pair{{all[0].ID, "gone"}, {"gone", "gone too"}}, 1},
		"forty":                   {forty, nil, 3},
	} {
		list := group.Meetings(c.children, group.Day{Today: today, Seats: 4, Most: 3, Apart: c.apart})
		if len(list) != c.lessons {
			t.Errorf("%s: %d lessons", name, len(list))
		}
		for _, m := range list {
			if len(m.Seats) == 0 || len(m.Seats) > 4 {
				t.Errorf("%s: %d seats", name, len(m.Seats))
			}
		}
		if len(c.children) == 1 && len(list) == 1 && list[0].Seats[0].Never != (c.children[0].ID == "new") {
			t.Errorf("%s: %+v", name, list[0].Seats[0])
		}
	}
}

// Lessons that suggest themselves share nobody, and each child sits at a step of its own.
func TestMeetings(t *testing.T) {
	list := group.Meetings(orchard(t), group.Day{Today: today, Seats: 2, Most: 5})
	var said []string
	seen := map[string]bool{}
	for _, m := range list {
		names := string(m.Stage) + " " + string(m.Manner)
		for _, s := range m.Seats {
			names += " " + s.Name
			if seen[s.ID] {
				t.Errorf("%s sits at two lessons", s.Name)
			}
			seen[s.ID] = true
			for _, again := range group.LookAgain(orchard(t), 100, today) {
				if again.ID == s.ID && again.Stage != m.Stage {
					t.Errorf("%s is suggested for %s, and to be looked at again at %s", s.Name, m.Stage, again.Stage)
				}
			}
		}
		said = append(said, names)
	}
	if got := strings.Join(said, "; "); got != "joining/no-swap pieces Greta Clio; joining/one-swap-ones pieces Finn Bram; joining/first-snake pieces Ada; joining/no-swap pieces Hugo" {
		t.Errorf("suggested are %s", got)
	}
	if got := group.Meetings(nil, group.Day{Today: today, Seats: 4, Most: 3}); len(got) != 0 {
		t.Errorf("an empty class meets as %v", got)
	}
}

func TestLongestAndLookAgain(t *testing.T) {
	waited := group.Longest(orchard(t), 3, today)
	if len(waited) != 3 || waited[0].Name != "Greta" || !waited[0].Never || waited[1].Name != "Clio" || waited[1].Days != 40 || waited[2].Name != "Finn" {
		t.Errorf("%+v", waited)
	}
	looks := group.LookAgain(orchard(t), 9, today)
	if len(looks) != 2 || looks[0].Name != "Bram" || looks[0].Stage != choose.OneSwapOnes || looks[1].Name != "Clio" || looks[1].Lobe.State != ladder.CheckAgain {
		t.Errorf("%+v", looks)
	}
	if got := group.LookAgain(orchard(t), 1, today); len(got) != 1 {
		t.Errorf("%d of at most one", len(got))
	}
	if got := group.Fullest(orchard(t), school, ladder.Joining, today); got != choose.OneSwapOnes {
		t.Errorf("the fullest stage is %s", got)
	}
}

// The class, the morning and a child's page go by one ranking: what wobbles first,
// the newest before the older; then what is to be checked, the longest unseen first;
// then who is ready or under way, the longest without a lesson first.
func TestRanked(t *testing.T) {
	children := class(t,
		"Ada: no-swap wobbling 9", "Bram: no-swap wobbling 2", "Clio: no-swap secure 40", "Dora: no-swap secure 60", "Finn: no-swap under-way 1", "Greta:",
		"Hugo: no-swap secure 3", "Ivo: no-swap under-way 12", "Jory: no-swap wobbling 30; one-swap-ones wobbling 1",
	)
	var said []string
	for _, p := range group.Ranked(children, ladder.Strands(), today) {
		said = append(said, p.Name+" "+string(p.Need))
	}
	if got := strings.Join(said, ", "); got != "Jory steady, Bram steady, Ada steady, Dora check-again, Clio check-again, Hugo ready, Ivo growing, Finn growing, Greta unseen" {
		t.Errorf("ranked %s", got)
	}
	if first := group.Ranked(children, ladder.Strands(), today)[0]; first.Stage != choose.OneSwapOnes || first.Lobe.Manner != book.Pieces {
		t.Errorf("Jory is looked at for %s", first.Stage)
	}
	if got := group.Ranked(children, []ladder.Strand{ladder.Taking}, today)[0]; got.Need != group.Start {
		t.Errorf("in taking %s needs %s", got.Name, got.Need)
	}
}
