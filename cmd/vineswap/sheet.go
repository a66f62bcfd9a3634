package main

import (
	"errors"
	"fmt"
	"io"
	"os"
	"path/filepath"
	"strings"

	"github.com/spf13/cobra"

	"vineswap/core/choose"
	"vineswap/core/material"
	"vineswap/core/setting"
	"vineswap/core/sheet"
	"vineswap/core/task"
	"vineswap/printing"
	"vineswap/trial"
)

// trialRooms is how many rooms of simulated children sheets are tried on.
const trialRooms = 6

type sheetFlags struct {
	kind, problems, stage, facts, names, key, paper, material, out string
	seed, count                                                    whole
	room, plain, try                                               bool
}

func sheetCommand() *cobra.Command {
	var f sheetFlags
	cmd := &cobra.Command{
		Use:   "sheet",
		Short: "Print a sheet as PDF: tasks to work, cards to cut, a worked task to take home",
		Args: func(cmd *cobra.Command, args []string) error {
			return exactly(0, "sheet takes flags alone")(cmd, args)
		},
		RunE: func(cmd *cobra.Command, _ []string) error {
			if f.try {
				rows, err := trial.Sheets(trialRooms, uint64(f.seed))
				if err != nil {
					return err
				}
				return trial.WriteSheets(cmd.OutOrStdout(), rows)
			}
			err := f.print(cmd)
			for _, wrong := range []error{
				sheet.ErrKind, sheet.ErrPaper, sheet.ErrKey, sheet.ErrCount, sheet.ErrStage, sheet.ErrFacts, sheet.ErrTask, sheet.ErrNone, material.ErrKind,
			} {
				if errors.Is(err, wrong) {
					return usageError{err}
				}
			}
			return err
		},
	}
	flags := cmd.Flags()
	kinds := make([]string, len(sheet.Kinds()))
	for i, k := range sheet.Kinds() {
		kinds[i] = string(k)
	}
	for _, flag := range []struct {
		to          *string
		name, first string
		says        string
	}{
		{&f.kind, "kind", string(sheet.Column), "the kind of sheet: " + strings.Join(kinds, ", ")},
		{&f.problems, "problems", "", `the tasks, with ; between them: "47+25;503-128"; of a strip the one that is worked and one to try`},
		{&f.stage, "stage", "", "the stage that tasks are drawn for, such as taking/across-zeros"},
		{&f.facts, "facts", string(sheet.Bonds), "the facts of a minute: bonds, doubles, up-to-ten, over-ten or take-facts"},
		{&f.names, "names", "", `names, with ; between them: a sheet for each, or the rows of a record sheet`},
		{&f.key, "key", string(sheet.AtFoot), "where what is right stands: foot, page or none"},
		{&f.paper, "paper", string(sheet.A4), "the paper: a4 or letter"},
		{&f.material, "material", string(material.Beads), "the pieces of a strip and of a gather list: beads, blocks or drawings"},
		{&f.out, "out", "", "the file that is written, such as sheet.pdf; - for standard output"},
	} {
		flags.StringVar(flag.to, flag.name, flag.first, flag.says)
	}
	flags.Var(&f.seed, "seed", "a whole number; the same seed draws the same sheet")
	flags.Var(&f.count, "count", "how many tasks are drawn; 0 for as many as is usual")
	flags.BoolVar(&f.room, "room", false, "with room for quick drawings")
	flags.BoolVar(&f.try, "trial", false, "print no sheet, but what sheets ask of simulated children by several rules")
	flags.BoolVar(&f.plain, "plain", false, "without boxes for what comes up and without the marks of the places")
	return cmd
}

// spec is the sheet that is asked for.
func (f sheetFlags) spec() (sheet.Spec, error) {
	s := sheet.Usual(sheet.Kind(f.kind))
	s.Key, s.Paper, s.Room, s.Seed = sheet.Key(f.key), sheet.Paper(f.paper), f.room, uint64(f.seed)
	s.Stage = choose.StageID(f.stage)
	if s.Kind == sheet.Minute {
		s.Facts = sheet.Facts(f.facts)
	}
	if f.count > 0 {
		s.Count = int(f.count)
	}
	if f.plain {
		s.Boxes, s.Signs = false, false
	}
	if s.Room && !s.Kind.HasRoom() {
		return s, usageError{fmt.Errorf("only the sheets column and lying have room for drawings, not %s", s.Kind)}
	}
	return s, s.Valid()
}

func (f sheetFlags) print(cmd *cobra.Command) error {
	spec, err := f.spec()
	if err != nil {
		return err
	}
	if f.out == "" {
		return usageError{errors.New("say which file is to be written: --out sheet.pdf")}
	}
	p := sheet.Print{Spec: spec, Class: setting.Default()}
	if p.Class.Material, err = material.ParseKind(f.material); err != nil {
		return err
	}
	items, err := f.items(spec)
	if err != nil {
		return err
	}
	if f.problems == "" && len(items) > 0 {
		p.Drawn = fmt.Sprint("seed ", spec.Seed)
	}
	pdf := printing.NewPDF("vineswap sheet " + f.kind)
	names := parted(f.names)
	if spec.Kind == sheet.Record {
		p.Names, names = names, nil
	}
	if len(names) == 0 {
		names = []string{""}
	}
	for _, name := range names {
		pages, err := p.Pages(sheet.Own{Name: name, Items: items})
		if err != nil {
			return err
		}
		pdf.Add(pages...)
	}
	return written(cmd.OutOrStdout(), f.out, pdf)
}

// parted reads a list with ; between its parts.
func parted(text string) []string {
	var list []string
	for _, part := range strings.Split(text, ";") {
		if part = strings.TrimSpace(part); part != "" {
			list = append(list, part)
		}
	}
	return list
}

// items are the tasks that were typed, or that are drawn by the seed.
func (f sheetFlags) items(s sheet.Spec) ([]sheet.Item, error) {
	var items []sheet.Item
	for _, text := range parted(f.problems) {
		t, err := task.Parse(text)
		if err != nil {
			return nil, usageError{fmt.Errorf("%q: %w", text, err)}
		}
		if err := t.Valid(); err != nil {
			return nil, usageError{fmt.Errorf("%q: %w", text, err)}
		}
		items = append(items, sheet.Item{Task: t})
	}
	stage := s.Stage
	if stage == "" {
		stage = s.Kind.Typical()
	}
	switch {
	case len(items) == 1 && s.Kind == sheet.Strip: // one to try is drawn
		drawn, err := s.TryOut(items[0], choose.Widest)
		return append(items, drawn), err
	case len(items) > 0 || stage == "" && s.Kind != sheet.Minute:
		return items, nil
	case s.Kind == sheet.Strip:
		s.Count = 2
	case s.Kind == sheet.Gather:
		s.Count = 1
	}
	return s.Draw([]sheet.Part{{Stage: stage, Count: s.Count}}, sheet.From{Range: choose.Widest}, s.Seed)
}

// written writes a file whole or not at all; - is standard output.
func written(out io.Writer, name string, pdf *printing.PDF) error {
	if name == "-" {
		return pdf.Write(out)
	}
	file, err := os.CreateTemp(filepath.Dir(name), ".sheet-*")
	if err != nil {
		return fmt.Errorf("the sheet cannot be written: %w", err)
	}
	err = errors.Join(pdf.Write(file), file.Close())
	if err == nil {
		err = errors.Join(os.Chmod(file.Name(), 0o644), os.Rename(file.Name(), name))
	}
	if err != nil {
		_ = os.Remove(file.Name())
		return fmt.Errorf("the sheet cannot be written: %w", err)
	}
	return nil
}
