package main_test

import (
	"os"
	"path/filepath"
	"strings"
	"testing"
)

// The sheets of the command line: a file that begins like a PDF, the same for the same seed;
// what cannot be is said in one line, and nothing is written.
func TestSheet(t *testing.T) {
	dir := t.TempDir()
	for name, args := range map[string][]string{
		"column":     {"--kind", "column", "--problems", "47+25;503-128", "--paper", "a4"},
		"ring-tens":  {"--kind", "ring-tens", "--seed", "5"},
		"letter":     {"--kind", "lying", "--stage", "sharing/share-swap", "--paper", "letter", "--key", "page"},
		"strip":      {"--kind", "strip", "--problems", "38+27", "--material", "blocks"},
		"minute":     {"--kind", "minute", "--facts", "over-ten", "--key", "none"},
		"record":     {"--kind", "record", "--names", "Ada W.; Finn O."},
		"cards":      {"--kind", "cards"},
		"gather":     {"--kind", "gather", "--problems", "47+25;62-38"},
		"each, room": {"--names", "Ada W.;Finn O.", "--room", "--count", "6", "--plain"},
	} {
		out := filepath.Join(dir, name+".pdf")
		_, errs, status := run(t, "", nil, append(append([]string{"sheet"}, args...), "--out", out)...)
		data, err := os.ReadFile(out)
		if status != 0 || err != nil || !strings.HasPrefix(string(data), "%PDF-") {
			t.Errorf("%s: status %d, %s, %v", name, status, errs, err)
		}
		again, _, _ := run(t, "", nil, append(append([]string{"sheet"}, args...), "--out", "-")...)
		if again != string(data) {
			t.Errorf("%s: another sheet the second time", name)
		}
	}
	for name, c := range map[string]struct {
		args []string
		says string
	}{
		"no file":       {nil, "--out"},
		"kind":          {[]string{"--kind", "columm", "--out", "x"}, "no such sheet"},
		"paper":         {[]string{"--paper", "a5", "--out", "x"}, "a4 or letter"},
		"key":           {[]string{"--key", "back", "--out", "x"}, "foot, page or none"},
		"count":         {[]string{"--count", "7", "--out", "x"}, "6, 9 or 12"},
		"stage":         {[]string{"--stage", "joining/over-ten", "--out", "x"}, "no tasks of this stage"},
		"a task":        {[]string{"--problems", "47/3", "--out", "x"}, "sums and differences"},
		"not a task":    {[]string{"--problems", "47+", "--out", "x"}, `"47+"`},
		"facts":         {[]string{"--kind", "minute", "--facts", "all", "--out", "x"}, "bonds"},
		"no room there": {[]string{"--kind", "match", "--room", "--out", "x"}, "room for drawings"},
		"a strip of 47": {[]string{"--kind", "strip", "--problems", "47", "--out", "x"}, "a strip shows"},
		"an argument":   {[]string{"column"}, "flags alone"},
	} {
		_, errs, status := run(t, "", nil, append([]string{"sheet"}, c.args...)...)
		if status != 2 || !strings.Contains(errs, c.says) || strings.Count(errs, "\n") != 1 {
			t.Errorf("%s: status %d, %q", name, status, errs)
		}
	}
	if _, errs, status := run(t, "", nil, "sheet", "--out", filepath.Join(dir, "none", "x.pdf")); status != 1 || !strings.Contains(errs, "cannot be written") {
		t.Errorf("a folder that is not there: %d %q", status, errs)
	}
	if left, _ := filepath.Glob(filepath.Join(dir, ".sheet*")); len(left) != 0 {
		t.Errorf("left behind: %v", left)
	}
}
