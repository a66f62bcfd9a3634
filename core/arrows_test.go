package core_test

import (
	"go/parser"
	"go/token"
	"io/fs"
	"path/filepath"
	"slices"
	"strconv"
	"strings"
	"testing"
)

const module = "vineswap/"

// arrows says which of our rooms each room may import. A room that is not here
// may not exist. docs/architecture.md has the same table in words.
var arrows = map[string][]string{
	"core/place":      {},
	"core/hue":        {},
	"core/slip":       {"core/place"},
	"core/task":       {"core/place", "core/slip"},
	"core/problem":    {"core/place", "core/slip", "core/task"},
	"core/piece":      {"core/place"},
	"core/trace":      {"core/piece", "core/place", "core/task"},
	"core/swap":       {"core/piece", "core/place", "core/problem", "core/task", "core/trace"},
	"core/paper":      {"core/slip", "core/piece", "core/place", "core/problem", "core/task", "core/swap", "core/trace"},
	"core/choose":     {"core/place", "core/problem", "core/task"},
	"core/snake":      {"core/choose", "core/piece", "core/place", "core/slip", "core/task", "core/trace"},
	"core/chain":      {"core/choose", "core/piece", "core/place", "core/slip", "core/task", "core/trace"},
	"core/numberrods": {"core/choose", "core/number", "core/piece", "core/place", "core/slip", "core/task", "core/trace"},
	"core/beads":      {"core/numberrods", "core/chain", "core/choose", "core/piece", "core/snake", "core/task"},
	"core/crowd":      {},
	"core/rename":     {"core/piece", "core/place"},
	"core/rack":       {},
	"core/number":     {"core/rack", "core/choose", "core/crowd", "core/piece", "core/place", "core/problem", "core/rename", "core/slip", "core/task", "core/trace"},
	"core/material":   {"core/number", "core/piece", "core/place", "core/problem", "core/swap", "core/trace"},
	"core/book":       {"core/place", "core/task", "core/choose", "core/material", "core/problem"},
	"core/diagnose":   {"core/number", "core/task", "core/place", "core/problem", "core/choose", "core/slip", "core/book"},
	"core/ladder":     {"core/chain", "core/numberrods", "core/snake", "core/diagnose", "core/number", "core/task", "core/place", "core/problem", "core/choose", "core/slip", "core/book"},
	"core/opener":     {"core/rack", "core/number", "core/place", "core/problem", "core/task", "core/choose", "core/slip", "core/book"},
	"core/turns":      {"core/book"},
	"core/group":      {"core/choose", "core/book", "core/ladder"},
	"core/say":        {"core/chain", "core/numberrods", "core/snake", "core/opener", "core/turns", "core/rack", "core/hue", "core/number", "core/piece", "core/place", "core/rename", "core/task", "core/problem", "core/swap", "core/trace", "core/choose", "core/material", "core/slip", "core/book", "core/diagnose", "core/ladder", "core/group"},
	"core/setting":    {"core/beads", "core/slip", "core/hue", "core/say", "core/choose", "core/material", "core/trace", "core/paper"},
	"core/lesson":     {"core/chain", "core/beads", "core/snake", "core/opener", "core/diagnose", "core/slip", "core/number", "core/place", "core/task", "core/problem", "core/swap", "core/trace", "core/choose", "core/material", "core/book", "core/ladder", "core/say"},
	"core/sheet":      {"core/book", "core/choose", "core/crowd", "core/diagnose", "core/hue", "core/ladder", "core/material", "core/number", "core/paper", "core/piece", "core/place", "core/problem", "core/say", "core/setting", "core/slip", "core/swap", "core/task", "core/trace"},
	"printing":        {"core/hue", "core/sheet"},
	"wire":            {"core/*"},
	"wire/gen":        {"wire"},
	"store":           {"core/*"},
	"localpg":         {},
	"pgtest":          {"localpg", "store"},
	"pupil":           {"core/beads", "core/number", "core/place", "core/problem", "core/task", "core/choose", "core/slip", "core/book", "core/ladder"},
	"trial":           {"core/*", "pupil"},
	"sentences":       {"core/*"},
	"formats":         {"core/*"},
	"demo":            {"core/*", "store", "pupil"},
	"ui":              {},
	"server":          {"core/*", "wire", "store", "formats", "printing"},
	"cmd/vineswap":    {"core/*", "printing", "store", "server", "formats", "ui", "localpg", "demo", "trial"},
	"figures":         {},
	"rig":             {"core/setting", "figures", "localpg", "server", "store"},
	"load":            {"core/*", "figures", "localpg", "pupil", "server", "store", "wire"},
	"faults":          {"core/*", "rig", "store", "wire"},
	"attack":          {"rig", "wire"},
	"e2e/guide":       {},
	"e2e/shots":       {"demo", "e2e/guide"},
	"e2e/smooth":      {"demo", "e2e/guide"},
	"e2e/flashes":     {"demo", "e2e/guide", "figures"},
}

// standardOnly are the rooms that need nothing but the standard library.
func standardOnly(room string) bool {
	return strings.HasPrefix(room, "core/") || room == "localpg" || room == "figures"
}

// Core imports the standard library and core alone, and every arrow of the
// house points one way.
func TestArrows(t *testing.T) {
	seen := map[string]bool{}
	root := ".."
	err := filepath.WalkDir(root, func(path string, d fs.DirEntry, err error) error {
		if err != nil {
			return err
		}
		if d.IsDir() && (d.Name() == "node_modules" || strings.HasPrefix(d.Name(), ".") && path != root) {
			return fs.SkipDir
		}
		if !strings.HasSuffix(path, ".go") || strings.HasSuffix(path, "_test.go") {
			return nil
		}
		rel, err := filepath.Rel(root, filepath.Dir(path))
		if err != nil {
			return err
		}
		room := filepath.ToSlash(rel)
		seen[room] = true
		return check(t, room, path)
	})
	if err != nil {
		t.Fatal(err)
	}
	for room := range arrows {
		if !seen[room] {
			t.Errorf("the room %s is empty", room)
		}
	}
}

func check(t *testing.T, room, path string) error {
	file, err := parser.ParseFile(token.NewFileSet(), path, nil, parser.ImportsOnly)
	if err != nil {
		return err
	}
	allowed, known := arrows[room]
	if !known {
		t.Errorf("%s: there is no room %s in the plan", path, room)
	}
	for _, spec := range file.Imports {
		name, err := strconv.Unquote(spec.Path.Value)
		if err != nil {
			return err
		}
		ours, isOurs := strings.CutPrefix(name, module)
		switch {
		case isOurs && !allows(allowed, ours):
			t.Errorf("%s: %s may not import %s", path, room, ours)
		case !isOurs && strings.Contains(strings.Split(name, "/")[0], ".") && standardOnly(room):
			t.Errorf("%s: %s imports %s and may import the standard library alone", path, room, name)
		}
	}
	return nil
}

func allows(allowed []string, room string) bool {
	return slices.Contains(allowed, room) || strings.HasPrefix(room, "core/") && slices.Contains(allowed, "core/*")
}
