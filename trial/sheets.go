package trial

import (
	"fmt"
	"io"

	"vineswap/core/book"
	"vineswap/core/choose"
	"vineswap/core/diagnose"
	"vineswap/core/group"
	"vineswap/core/ladder"
	"vineswap/core/sheet"
	"vineswap/core/slip"
)

// Of the children of a room so many have a slip that shows mostly.
const (
	slipEvery = 4
	slipShows = .85
)

// sheetRule says which tasks a child's sheet has.
type sheetRule func(s sheet.Spec, all []group.Child, c ladder.Child, today book.Day) sheet.Stand

// standing is the rule of the sheets: each child from where it stands.
func standing(s sheet.Spec, _ []group.Child, c ladder.Child, today book.Day) sheet.Stand {
	return s.StandOf(c, today)
}

// alike gives all children the stage that most of them stand at.
func alikeForAll(s sheet.Spec, all []group.Child, _ ladder.Child, today book.Day) sheet.Stand {
	counts, best := map[choose.StageID]int{}, choose.StageID("")
	for _, c := range all {
		id := s.StandOf(c.Child, today).Stage
		if counts[id]++; best == "" || counts[id] > counts[best] {
			best = id
		}
	}
	return sheet.Stand{Stage: best, Parts: []sheet.Part{{Stage: best, Count: s.Count}}}
}

// furthest gives each child the furthest stage of which anything is recorded.
func furthest(s sheet.Spec, _ []group.Child, c ladder.Child, _ book.Day) sheet.Stand {
	stages := s.Stages(c.Class)
	best := stages[0]
	for _, id := range stages {
		stage, _ := ladder.StageByID(id)
		for _, m := range stage.Manners {
			if _, worked := c.Standings[ladder.Key{Stage: id, Manner: m}]; worked {
				best = id
			}
		}
	}
	return sheet.Stand{Stage: best, Parts: []sheet.Part{{Stage: best, Count: s.Count}}}
}

// SheetRow is what a rule gives to the children of some rooms.
type SheetRow struct {
	Rule   string
	Sheets int
	New    float64 // the share of tasks of a stage that the child has not worked
	Right  float64 // the share of tasks that the child will likely have right
	Hard   float64 // the share of sheets of which it will likely have less than half right
	Slips  float64 // the share of tasks that bring a child's slip out, of children whose answers it explains
	Stages float64 // how many stages a sheet has
}

// paperRoom is a room whose children have worked the stages of adding and taking away in their
// order, each as far as it has come: a few tasks with pieces, then in the column, alone. Some
// have a slip. What lies long behind was not worked since.
func paperRoom(seed uint64) *room {
	r := roomOf(1_000, seed)
	for i := range r.pupils {
		if i%slipEvery == 0 {
			r.pupils[i].Slip, r.pupils[i].Shows = []slip.ID{"drops-new-ten", "smaller-from-larger"}[i/slipEvery%2], slipShows
		}
		r.pupils[i].Pace *= 1.5
		for _, strand := range []ladder.Strand{ladder.Joining, ladder.Taking} {
			stages := r.come(strand, i)
			for n, id := range stages {
				week := book.Day(7 * (weeksLong - min(weeksLong, len(stages)-n)))
				for k := range 3 * tasksEach {
					m, help := book.Column, book.Alone
					if k < tasksEach {
						m, help = book.Pieces, book.Nudged
					}
					r.work(i, ladder.Key{Stage: id, Manner: m}, help, firstDay+week+book.Day(k/tasksEach))
				}
			}
		}
		r.children[i].Standings = r.folds[i].Standings()
	}
	return r
}

// come are the stages of a strand, of column sheets, that a child has come to.
func (r *room) come(strand ladder.Strand, i int) []choose.StageID {
	spec := sheet.Usual(sheet.Column)
	spec.Strand = strand
	all := spec.Stages(r.class)
	return all[:min(len(all), 1+(len(all)*i)/classSize+r.rng.IntN(2))]
}

// Sheets tries the rules on rooms of simulated children.
func Sheets(rooms int, seed uint64) ([]SheetRow, error) {
	rows := []SheetRow{{Rule: "where it stands"}, {Rule: "the furthest worked"}, {Rule: "the same for all"}}
	rules := []sheetRule{standing, furthest, alikeForAll}
	tasks, wobbling := make([]int, len(rules)), make([]int, len(rules))
	for n := range rooms {
		r := paperRoom(seed + uint64(n))
		today := firstDay + 7*weeksLong
		for j, rule := range rules {
			if err := r.sheets(rule, &rows[j], &tasks[j], &wobbling[j], today, seed+uint64(n)); err != nil {
				return nil, err
			}
		}
	}
	for j := range rows {
		row := &rows[j]
		row.New, row.Right = row.New/float64(tasks[j]), row.Right/float64(tasks[j])
		row.Hard, row.Stages = row.Hard/float64(row.Sheets), row.Stages/float64(row.Sheets)
		row.Slips /= float64(max(1, wobbling[j]))
	}
	return rows, nil
}

// sheets draws the sheets of a room by a rule, and adds up what they ask.
func (r *room) sheets(rule sheetRule, row *SheetRow, tasks, wobbling *int, today book.Day, seed uint64) error {
	spec := sheet.Usual(sheet.Column)
	for i, c := range r.children {
		st := rule(spec, r.children, c.Child, today)
		items, err := spec.Draw(st.Parts, sheet.From{Range: "1000", Slips: st.Slips}, seed+uint64(i))
		if err != nil {
			return err
		}
		slips := spec.StandOf(c.Child, today).Slips // what a rule that does not look for them misses
		right := 0.0
		stages := map[choose.StageID]bool{}
		for _, item := range items {
			stage, _ := ladder.StageByID(item.Stage)
			known, worked := 0.0, false
			for _, m := range stage.Manners {
				known = max(known, r.pupils[i].Knows(item.Stage, m))
				_, has := c.Standings[ladder.Key{Stage: item.Stage, Manner: m}]
				worked = worked || has
			}
			if !worked {
				row.New++
			}
			stages[item.Stage] = true
			right += known
			if len(slips) > 0 {
				if *wobbling++; diagnose.Shows(slips[0], item.Task) {
					row.Slips++
				}
			}
		}
		*tasks += len(items)
		row.Right += right
		row.Sheets++
		row.Stages += float64(len(stages))
		if 2*right < float64(len(items)) {
			row.Hard++
		}
	}
	return nil
}

// WriteSheets writes the table.
func WriteSheets(out io.Writer, rows []SheetRow) error {
	if _, err := fmt.Fprintln(out, "sheets by             sheets  tasks never worked  likely right  sheets too hard  bring a slip out  stages on one"); err != nil {
		return err
	}
	for _, r := range rows {
		if _, err := fmt.Fprintf(out, "%-20s  %6d  %16.1f %%  %10.1f %%  %13.1f %%  %14.1f %%  %13.1f\n", r.Rule, r.Sheets, 100*r.New, 100*r.Right, 100*r.Hard, 100*r.Slips, r.Stages); err != nil {
			return err
		}
	}
	return nil
}
