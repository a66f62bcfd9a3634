package main_test

import (
	"encoding/json"
	"fmt"
	"os"
	"path/filepath"
	"reflect"
	"strings"
	"testing"
)

// One number is laid out place by place, with its cards and its expanded form.
func TestWorkOneNumber(t *testing.T) {
	type worked struct {
		Operation string
		Answer    int
		Swaps     []any
		Written   []string
		Steps     []struct {
			Say      string
			Zones    map[string]map[string]int
			Expanded []string
		}
	}
	for text, want := range map[string]struct {
		lies, written string
		steps         int
	}{
		"153": {"map[start:map[hundreds:1 ones:3 tens:5]]", "[100 + 50 + 3 = 153]", 7}, "0": {"map[]", "[0 = 0]", 5}, "305": {"map[start:map[hundreds:3 ones:5]]", "[300 + 5 = 305]", 7},
		"999999": {"map[start:map[hundred-thousands:9 hundreds:9 ones:9 ten-thousands:9 tens:9 thousands:9]]", "[900000 + 90000 + 9000 + 900 + 90 + 9 = 999999]", 10},
	} {
		out, errs, status := run(t, "", nil, "work", text, "--json")
		var got worked
		if err := json.Unmarshal([]byte(out), &got); status != 0 || err != nil {
			t.Fatalf("work %s: status %d, %q, %v", text, status, errs, err)
		}
		last := got.Steps[len(got.Steps)-1]
		if got.Operation != "number" || fmt.Sprint(got.Answer) != text || got.Swaps == nil || len(got.Swaps) != 0 || fmt.Sprint(last.Zones) != want.lies || fmt.Sprint(got.Written) != want.written || len(got.Steps) != want.steps || last.Expanded[1] != text {
			t.Errorf("work %s: %+v", text, got)
		}
	}
	plain, _, _ := run(t, "", nil, "work", "305", "--places", "units")
	for _, line := range []string{"305, three hundred five\n", "  No tens: nothing of that kind lies there.\n", "  Five units: 5.\n      start: hundreds 3, ones 5\n", "\n  300 + 5\n  = 305\n"} {
		if !strings.Contains(plain, line) {
			t.Errorf("%q is not in\n%s", line, plain)
		}
	}
	for args, want := range map[string]string{"1000000": "at most 6 digits", "007": "cannot begin with 0", "153 --notation above": "it can be expanded", "153 --words barter": "--words"} {
		if out, errs, status := run(t, "", nil, append([]string{"work"}, strings.Fields(args)...)...); status != 2 || out != "" || !strings.Contains(errs, want) {
			t.Errorf("work %s: status %d, %q", args, status, errs)
		}
	}
}

// What the commands about one number print, for scripts and for people.
func TestOneNumber(t *testing.T) {
	for args, want := range map[string]string{
		"tens 43 --json":        `{"value":43,"tens":4,"ones":3,"expanded":"40 + 3","words":"forty-three"}`,
		"tens 40 --json":        `{"value":40,"tens":4,"ones":0,"expanded":"40","words":"forty"}`,
		"tens 100 --json":       `{"value":100,"tens":10,"ones":0,"expanded":"100","words":"one hundred"}`,
		"rename 34 --json":      `{"value":34,"ways":4,"first":[{"tens":3,"ones":4},{"tens":2,"ones":14},{"tens":1,"ones":24},{"ones":34}]}`,
		"rename 0 --json":       `{"value":0,"ways":1,"first":[{}]}`,
		"crowd 3 --rows --json": "",
	} {
		out, errs, status := run(t, "", nil, strings.Fields(args)...)
		var got, wanted any
		if status != 0 || errs != "" || json.Unmarshal([]byte(out), &got) != nil {
			t.Errorf("%s: status %d, %q, %s", args, status, errs, out)
			continue
		}
		if want != "" && (json.Unmarshal([]byte(want), &wanted) != nil || !reflect.DeepEqual(got, wanted)) {
			t.Errorf("%s: %s, wanted %s", args, out, want)
		}
	}
	for args, want := range map[string]string{
		"rename 34":   "34 can be laid in 4 ways:\n  three tens, four ones\n  two tens, fourteen ones\n",
		"rename 1000": "1000 can be laid in 562 ways; the first 100, fewest pieces first:\n  one thousand\n  ten hundreds\n",
		"tens 17":     "17 is seventeen: one ten seven ones, 10 + 7\n",
		"crowd 43":    "43 things, 4 rings of ten, 3 left over\n",
	} {
		if out, _, status := run(t, "", nil, strings.Fields(args)...); status != 0 || !strings.HasPrefix(out, want) {
			t.Errorf("%s: status %d, %q", args, status, out)
		}
	}
	for args, want := range map[string]string{
		"rename 1000000": `"1000000": a number has at most 6 digits: 1000000 has 7`, "rename x": `"x"`, "rename": "rename takes one number", "tens 101": "0 to 100", "crowd 0": "", "crowd 10000": "",
	} {
		if out, errs, status := run(t, "", nil, strings.Fields(args)...); status != 2 || out != "" || !strings.Contains(errs, want) || strings.Count(errs, "\n") != 1 {
			t.Errorf("%s: status %d, %q, %q", args, status, out, errs)
		}
	}
	svg := filepath.Join(t.TempDir(), "crowd.svg")
	if _, errs, status := run(t, "", nil, "crowd", "43", "--svg", svg); status != 0 {
		t.Fatalf("crowd --svg: %q", errs)
	}
	if drawn, err := os.ReadFile(svg); err != nil || strings.Count(string(drawn), "<circle") != 43 || strings.Count(string(drawn), ">10</text>") != 4 {
		t.Errorf("the drawn crowd: %v, %d circles", err, strings.Count(string(drawn), "<circle"))
	}
}
