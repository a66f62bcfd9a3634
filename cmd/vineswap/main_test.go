package main_test

import (
	"bufio"
	"bytes"
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"net"
	"net/http"
	"os"
	"os/exec"
	"path/filepath"
	"reflect"
	"strings"
	"syscall"
	"testing"
	"time"

	"vineswap/core/ladder"
	"vineswap/demo"
	"vineswap/pgtest"
	"vineswap/store"
)

var binary string

func TestMain(m *testing.M) { os.Exit(pgtest.Main(built{m})) }

// built builds the binary around the tests.
type built struct{ m *testing.M }

func (b built) Run() int {
	dir, err := os.MkdirTemp("", "vineswap-cmd-")
	if err == nil {
		defer os.RemoveAll(dir)
		binary = filepath.Join(dir, "vineswap")
		var out []byte
		if out, err = exec.Command("go", "build", "-o", binary, ".").CombinedOutput(); err != nil {
			err = fmt.Errorf("%w: %s", err, out)
		}
	}
	if err != nil {
		fmt.Fprintln(os.Stderr, "building:", err)
		return 1
	}
	return b.m.Run()
}

// run runs the binary with nothing in its environment but what is given, and
// returns its output and status.
func run(t *testing.T, stdin string, env []string, args ...string) (out, errs string, status int) {
	t.Helper()
	cmd := exec.Command(binary, args...)
	cmd.Env = append([]string{"PATH=" + os.Getenv("PATH"), "HOME=" + t.TempDir()}, env...)
	cmd.Stdin = strings.NewReader(stdin)
	var o, e bytes.Buffer
	cmd.Stdout, cmd.Stderr = &o, &e
	err := cmd.Run()
	var exit *exec.ExitError
	if errors.As(err, &exit) {
		return o.String(), e.String(), exit.ExitCode()
	}
	if err != nil {
		t.Fatal(err)
	}
	return o.String(), e.String(), 0
}

// Everything that cannot be understood ends with status 2, one line on standard
// error and nothing on standard output.
func TestMistakesInTyping(t *testing.T) {
	choose := func(flags ...string) []string { return append([]string{"choose"}, flags...) }
	for name, args := range map[string][]string{
		"an unfinished sum":             {"work", "47+"},
		"letters":                       {"work", "abc"},
		"a negative number":             {"work", "-3+4"},
		"a negative number, JSON":       {"work", "-3+4", "--json"},
		"too many digits":               {"work", "1234567+1"},
		"leading zeros":                 {"work", "047+25"},
		"nothing":                       {"work", ""},
		"no argument":                   {"work"},
		"two arguments":                 {"work", "1+2", "3+4"},
		"an unknown flag of work":       {"work", "1+2", "--jsn"},
		"seven numbers":                 {"work", "1+2+3+4+5+6+7"},
		"two operations":                {"work", "12/4*2"},
		"the smaller first":             {"work", "3-5"},
		"shared by nobody":              {"work", "8/0"},
		"shared by one":                 {"work", "8/1"},
		"shared by twelve":              {"work", "8/12"},
		"an order that is none":         {"work", "8-1", "--order", "first"},
		"a way over zeros that is none": {"work", "8-1", "--zeros=jump"},
		"a word that is none":           {"work", "8-1", "--words", "barter"},
		"a flag without its word":       {"work", "8-1", "--order"},
		"no digits":                     choose(),
		"digits that are none":          choose("--digits", "2,x"),
		"one number":                    choose("--digits", "2"),
		"seven digits":                  choose("--digits", "7,1"),
		"a place that none has":         choose("--digits", "1,1", "--swap", "tens=yes"),
		"an unknown place":              choose("--digits", "1,1", "--swap", "unit=no"),
		"a repeated place":              choose("--digits", "1,1", "--swap", "ones=no,ones=no"),
		"a wish that is none":           choose("--digits", "1,1", "--swap", "ones=maybe"),
		"zeros that are none":           choose("--digits", "1,1", "--zeros", "some"),
		"none asked for":                choose("--digits", "1,1", "--count", "0"),
		"too many asked for":            choose("--digits", "1,1", "--count", "100001"),
		"a seed that is no number":      choose("--digits", "1,1", "--seed", "-1"),
		"another operation chosen":      choose("--digits", "1,1", "--op", "fold"),
		"digits of two for sharing":     choose("--digits", "2,2", "--op", "share"),
		"a larger number that is short": choose("--digits", "2,3", "--op", "subtract"),
		"zeros to cross in joining":     choose("--digits", "2,2", "--cross-zero", "yes"),
		"a limit that is no number":     choose("--digits", "2,2", "--per-place-limit", "ones=many"),
		"a limit of nothing":            choose("--digits", "2,2", "--per-place-limit", "ones=0"),
		"facts that are none":           choose("--digits", "2,2", "--facts", "hard"),
		"a stage of another operation":  choose("--digits", "2,2", "--stage", "taking/no-swap"),
		"one sharer":                    choose("--digits", "2", "--op", "share", "--by", "1"),
		"no groups":                     choose("--digits", "2,2", "--groups", "0"),
		"an argument to choose":         choose("--digits", "1,1", "more"),
		"an unknown flag of choose":     choose("--digit", "1,1"),
		"no table":                      {"ladder"},
		"a table that is not there":     {"ladder", "nowhere.csv"},
		"two tables":                    {"ladder", "a.csv", "b.csv"},
		"no trial":                      {"judge"},
		"an argument to judge":          {"judge", "--trial-ladder", "all"},
		"two trials":                    {"judge", "--trial", "--trial-ladder"},
		"answers that are not there":    {"judge", "nowhere.csv"},
		"no task for slips":             {"slips"},
		"a task that is none":           {"slips", "62-"},
		"two tasks for slips":           {"slips", "62-38", "47+25"},
		"a trial of nobody":             {"judge", "--trial-ladder", "--children", "0"},
		"a trial without end":           {"judge", "--trial-ladder", "--children", "100001"},
		"a trial's seed of letters":     {"judge", "--trial-ladder", "--seed", "seven"},
		"an unknown command":            {"gather"},
		"no database":                   {"migrate"},
		"an argument to rejudge":        {"rejudge", "all"},
		"no email":                      {"account", "add", "--class", "Shed", "--zone", "Europe/Vienna"},
		"no class":                      {"account", "add", "--email", "a@school.test", "--zone", "Europe/Vienna"},
		"no zone":                       {"account", "add", "--email", "a@school.test", "--class", "Shed", "--zone", "Mars"},
	} {
		t.Run(name, func(t *testing.T) {
			out, errs, status := run(t, "", nil, args...)
			if status != 2 || out != "" || strings.Count(errs, "\n") != 1 || !strings.HasPrefix(errs, "vineswap: ") {
				t.Errorf("%v: status %d, %q on standard output, %q on standard error", args, status, out, errs)
			}
		})
	}
}

func TestOriginIsChecked(t *testing.T) {
	for _, bad := range []string{"vines.school.test", "ftp://vines.school.test", "https://vines.school.test/path", "https://*.school.test", "https://someone@vines.school.test", "https://vines.school.test?x"} {
		_, errs, status := run(t, "", []string{"VINESWAP_ORIGIN=" + bad, "VINESWAP_DATABASE=postgres://127.0.0.1:1/x"}, "serve")
		if status != 2 || !strings.Contains(errs, "VINESWAP_ORIGIN") {
			t.Errorf("%s: %d %s", bad, status, errs)
		}
	}
}

// A setting that is wrong is one sentence at the start.
func TestSettingsAreChecked(t *testing.T) {
	for _, bad := range []string{"VINESWAP_PROXIES=proxy.school.test", "VINESWAP_PROXIES=10.0.0.1,10.0.0.0/99", "VINESWAP_ADDRESS=here", "VINESWAP_DEBUG=perhaps", "VINESWAP_DATABASE=not an address", "VINESWAP_DATABASE="} {
		name, _, _ := strings.Cut(bad, "=")
		_, errs, status := run(t, "", []string{"VINESWAP_DATABASE=postgres://127.0.0.1:1/x", bad}, "serve")
		if status == 0 || strings.Count(errs, "\n") != 1 || strings.Contains(errs, "goroutine") || name != "VINESWAP_DEBUG" && name != "VINESWAP_DATABASE" && !strings.Contains(errs, name) {
			t.Errorf("%s: %d %q", bad, status, errs)
		}
	}
}

// The server waits for a database that is still starting, and not for one that lets
// nobody in.
func TestServeWaitsForTheDatabase(t *testing.T) {
	db := pgtest.URL(t)
	link := pgtest.Between(t, db)
	link.Cut()
	cmd := exec.Command(binary, "serve")
	cmd.Env = append(os.Environ(), "VINESWAP_DATABASE="+link.URL, "VINESWAP_ADDRESS=127.0.0.1:0")
	out, err := cmd.StdoutPipe()
	if err != nil {
		t.Fatal(err)
	}
	if err := cmd.Start(); err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { cmd.Process.Kill(); cmd.Wait() })
	time.AfterFunc(1200*time.Millisecond, link.Mend)
	line, err := bufio.NewReader(out).ReadString('\n')
	if err != nil || !strings.Contains(line, "answers on") {
		t.Fatalf("%q, %v", line, err)
	}
	began := time.Now()
	_, errs, status := run(t, "", []string{"VINESWAP_DATABASE=" + db + "&user=nobody"}, "serve")
	if status != 1 || time.Since(began) > 20*time.Second || strings.Count(errs, "\n") != 1 {
		t.Errorf("as nobody: %d %q after %v", status, errs, time.Since(began))
	}
}

func TestClockIsChecked(t *testing.T) {
	_, errs, status := run(t, "", []string{"VINESWAP_CLOCK=noon", "VINESWAP_DATABASE=postgres://127.0.0.1:1/x"}, "serve")
	if status != 2 || !strings.Contains(errs, "VINESWAP_CLOCK") {
		t.Errorf("status %d, %q", status, errs)
	}
}

// Judging anew, from the command line, gives what was kept.
func TestRejudge(t *testing.T) {
	url := pgtest.URL(t)
	s := pgtest.Open(t, url)
	if err := demo.Load(context.Background(), s, func(p string) (string, error) { return p, nil }, time.Date(2026, 11, 25, 8, 30, 0, 0, time.UTC)); err != nil {
		t.Fatal(err)
	}
	lead, err := s.AccountByEmail(context.Background(), demo.Logins()[0].Email)
	if err != nil {
		t.Fatal(err)
	}
	classes, err := s.Memberships(context.Background(), lead.ID)
	if err != nil {
		t.Fatal(err)
	}
	class, err := s.Class(context.Background(), classes[0].ClassID)
	if err != nil {
		t.Fatal(err)
	}
	before, err := s.Standings(context.Background(), class, 0)
	if err != nil {
		t.Fatal(err)
	}
	standings := func(list []store.Standing) (out []ladder.Standings) {
		for _, l := range list {
			out = append(out, l.Standings)
		}
		return out
	}
	out, errs, status := run(t, "", []string{"VINESWAP_DATABASE=" + url}, "rejudge")
	if status != 0 || out != "Judged 64 learners again.\n" {
		t.Errorf("status %d, %q, %q", status, out, errs)
	}
	after, err := s.Standings(context.Background(), class, 0)
	if err != nil || len(before) != 22 || !reflect.DeepEqual(standings(before), standings(after)) {
		t.Errorf("%d children before, %d after, %v", len(before), len(after), err)
	}
}

// answersOf writes a table of answers and returns where.
func answersOf(t *testing.T, rows ...string) string {
	t.Helper()
	path := filepath.Join(t.TempDir(), "records.csv")
	table := "learner,day,problem,stage,manner,help,answer\n" + strings.Join(rows, "\n") + "\n"
	if err := os.WriteFile(path, []byte(table), 0o600); err != nil {
		t.Fatal(err)
	}
	return path
}

// A table of answers is judged without a database: the stages of each learner with
// their beads and reasons, and what each answer made of its own.
func TestLadder(t *testing.T) {
	path := answersOf(t,
		"Wren A.,2026-11-24,47+25,joining/one-swap-ones,pieces,alone,72",
		"Wren A.,2026-11-24,36+27,joining/one-swap-ones,pieces,alone,63",
		"Teo B.,2026-11-24,9-4,taking/within-ten,head,alone,5",
		"Wren A.,2026-11-24,58+13,joining/one-swap-ones,pieces,alone,71",
		"Wren A.,2026-11-24,29+45,joining/one-swap-ones,pieces,alone,74",
		"Wren A.,2026-11-25,37+35,joining/one-swap-ones,pieces,nudged,72",
		"Wren A.,2026-11-25,64+28,joining/one-swap-ones,pieces,alone,92",
		"Wren A.,2026-11-25,18+66,joining/one-swap-ones,pieces,alone,84",
		"Wren A.,2026-11-25,15+76,joining/one-swap-ones,pieces,alone,91",
		"Wren A.,2026-11-25,47+25,joining/one-swap-ones,pieces,alone,72",
		"Wren A.,2026-11-25,3+4,joining/new-place,pieces,alone,7", // the stage refuses it: within ten
		"Wren A.,2026-11-26,46+25,joining/one-swap-ones,pieces,alone,61",
		"Wren A.,2026-11-26,57+25,joining/one-swap-ones,pieces,alone,72",
	)
	out, errs, status := run(t, "", nil, "ladder", path, "--json", "--history")
	var got struct {
		Learners []struct {
			Learner string `json:"learner"`
			Leaves  []struct {
				Stage, Manner, State, Since, Last, Reason string
				Beads                                     float64
			} `json:"leaves"`
			History []string `json:"history"`
		} `json:"learners"`
	}
	if err := json.Unmarshal([]byte(out), &got); err != nil || status != 0 || errs != "" {
		t.Fatalf("status %d, %q, %q, %v", status, out, errs, err)
	}
	if len(got.Learners) != 2 || got.Learners[0].Learner != "Wren A." || len(got.Learners[1].History) != 1 {
		t.Fatalf("%+v", got)
	}
	wren := got.Learners[0]
	want := "under-way under-way under-way under-way under-way under-way under-way secure secure under-way secure wobbling"
	if history := strings.Join(wren.History, " "); history != want {
		t.Errorf("history %s", history)
	}
	if len(wren.Leaves) != 2 {
		t.Fatalf("leaves %+v", wren.Leaves)
	}
	if facts := wren.Leaves[0]; facts.Stage != "joining/within-ten" || facts.Beads != 5.25 || !strings.Contains(facts.Reason, "second day") || facts.Last != "2026-11-25" {
		t.Errorf("%+v", facts)
	}
	if swap := wren.Leaves[1]; swap.Stage != "joining/one-swap-ones" || swap.State != "wobbling" || swap.Beads != 1 || swap.Last != "2026-11-26" ||
		!strings.Contains(swap.Reason, "57 + 25 = 72") || strings.Contains(swap.Reason, "\n") {
		t.Errorf("%+v", swap)
	}

	plain, _, status := run(t, "", nil, "ladder", path)
	if status != 0 || !strings.HasPrefix(plain, "Wren A.\n") || !strings.Contains(plain, "one swap, ones, with pieces: wobbling") || strings.Contains(plain, "after each answer") {
		t.Errorf("status %d, %s", status, plain)
	}
	if without, _, _ := run(t, "", nil, "ladder", path, "--json"); strings.Contains(without, "history") {
		t.Errorf("history unasked for: %s", without)
	}
	if none, _, status := run(t, "", nil, "ladder", answersOf(t), "--json"); status != 0 || none != "{\"learners\":[]}\n" {
		t.Errorf("status %d, %q", status, none)
	}
	_, errs, status = run(t, "", nil, "ladder", answersOf(t, "Wren A.,2026-11-24,47+,,pieces,alone,72"), "--json")
	if status != 2 || !strings.Contains(errs, "line 2, problem") || strings.Count(errs, "\n") != 1 {
		t.Errorf("status %d, %q", status, errs)
	}
}

// The trial prints one line for each thing that is asked of the rule, with both
// naive rules beside it, and the same from the same seed.
func TestTrial(t *testing.T) {
	ask := []string{"judge", "--trial-ladder", "--children", "40", "--seed", "3"}
	out, errs, status := run(t, "", nil, ask...)
	if status != 0 || errs != "" || !strings.Contains(out, "three in a row") || !strings.Contains(out, "eight of the last ten") || strings.Count(out, "right 93 in 100") < 3 {
		t.Errorf("status %d, %s %s", status, out, errs)
	}
	if again, _, _ := run(t, "", nil, ask...); again != out {
		t.Errorf("another table from the same seed:\n%s", again)
	}
	if other, _, _ := run(t, "", nil, "judge", "--trial-ladder", "--children", "40", "--seed", "4"); other == out {
		t.Error("the seed makes no difference")
	}
}

func TestWork(t *testing.T) {
	out, errs, status := run(t, "", nil, "work", "368 + 275", "--json")
	var got struct {
		Operation string
		Numbers   []int
		Answer    int
		Swaps     []struct{ From, To string }
		Steps     []struct {
			Kind, Say string
			Zones     map[string]map[string]int
		}
	}
	if err := json.Unmarshal([]byte(out), &got); err != nil || status != 0 || errs != "" {
		t.Fatalf("status %d, %v, %q", status, err, errs)
	}
	if got.Operation != "add" || got.Answer != 643 || fmt.Sprint(got.Swaps) != "[{ones tens} {tens hundreds}]" || fmt.Sprint(got.Numbers) != "[368 275]" {
		t.Errorf("%+v", got)
	}
	last := got.Steps[len(got.Steps)-4] // the sentence and the check come after it
	if last.Kind != "say-back" || last.Say != "368 and 275 were joined. Together they are 643." || fmt.Sprint(last.Zones) != "map[joined:map[hundreds:6 ones:3 tens:4]]" {
		t.Errorf("at the end %+v", last)
	}
	none, _, _ := run(t, "", nil, "work", "1+2", "--json")
	if !strings.Contains(none, `"swaps":[]`) || strings.Contains(none, "null") {
		t.Errorf("no swaps are %s", none)
	}
	plain, _, _ := run(t, "", nil, "work", "47+25")
	for _, line := range []string{"47 + 25 = 72, one swap", "  Ten ones swap for one ten. It joins the tens.", "      joined: tens 7, ones 2", "    1\n    47\n  + 25\n  ----\n    72\n"} {
		if !strings.Contains(plain, line) {
			t.Errorf("no %q in\n%s", line, plain)
		}
	}
}

// What the flags of work change, as scripts read it.
func TestWorkByEveryMethod(t *testing.T) {
	for _, c := range []struct {
		args []string
		want map[string]any // fields of the answer
		says string         // some sentence has this
	}{
		{[]string{"503-128"}, map[string]any{"operation": "subtract", "answer": 375.0}, "One hundred swaps for ten tens."},
		{[]string{"4000-1", "--zeros", "as-one", "--words", "exchange"}, map[string]any{"answer": 3999.0}, "One thousand is exchanged for nine hundreds, nine tens and ten ones."},
		{[]string{"--order=swaps-first", "503-128"}, map[string]any{"answer": 375.0}, "Eight ones are taken from thirteen ones."},
		{[]string{"97/4"}, map[string]any{"operation": "share", "answer": 24.0, "remainder": 1.0}, "97 was shared among four. Each has 24, and one is left over."},
		{[]string{"96/4"}, map[string]any{"answer": 24.0, "remainder": 0.0}, "96 was shared among four. Each has 24."},
		{[]string{"78:6"}, map[string]any{"operation": "group", "answer": 13.0, "remainder": 0.0}, "In 78 there are 13 groups of six."},
		{[]string{"213*3", "--and"}, map[string]any{"operation": "multiply", "answer": 639.0}, "Six hundred and thirty-nine."},
		{[]string{"47+25", "--digits", "face-value", "--when", "after-column"}, map[string]any{"answer": 72.0}, "Seven plus five: twelve ones in all."},
		{[]string{"1095+10", "--places", "beads", "--separator", "comma", "--teens", "ten-and"}, map[string]any{"answer": 1105.0}, "Ten bars swap for one square. It joins the squares."},
		{[]string{"62-38", "--words", "carry"}, map[string]any{"answer": 24.0}, "One ten is borrowed as ten ones."},
	} {
		out, errs, status := run(t, "", nil, append(append([]string{"work"}, c.args...), "--json")...)
		var got map[string]any
		if err := json.Unmarshal([]byte(out), &got); status != 0 || err != nil || errs != "" {
			t.Errorf("%v: status %d, %q, %v", c.args, status, errs, err)
			continue
		}
		for field, want := range c.want {
			if got[field] != want {
				t.Errorf("%v: %s is %v, wanted %v", c.args, field, got[field], want)
			}
		}
		if !strings.Contains(out, `"say":"`+c.says) {
			t.Errorf("%v does not say %q", c.args, c.says)
		}
	}
	if out, _, _ := run(t, "", nil, "work", "4000-1", "--zeros", "as-one", "--json"); !strings.Contains(out, `{"from":"thousands","to":"ones","zeros":2}`) {
		t.Errorf("the swap as one: %s", out)
	}
}

// The column in each notation, and what is refused in one line.
func TestWorkInEveryNotation(t *testing.T) {
	for args, want := range map[string]string{
		"47+25 --notation under":                      "\n    47\n  + 25\n    1\n  ----\n    72\n",
		"62-38 --notation in-front":                   "\n      5\n      6\u0336 ¹2\n  −   3  8\n  --------\n      2  4\n",
		"47+25 --notation expanded":                   "\n  (40 + 7) + (20 + 5)\n  = 60 + 12\n  = 72\n",
		"97/4 --notation=expanded":                    "\n  (90 + 7) ÷ 4\n  = (80 + 17) ÷ 4\n  = 20 + 4, r 1\n  = 24 r 1\n",
		"9876+1234 --separator space --teens ten-and": "9 876 + 1 234 = 11110",
	} {
		out, errs, status := run(t, "", nil, append([]string{"work"}, strings.Fields(args)...)...)
		if status != 0 || errs != "" || !strings.Contains(out, want) {
			t.Errorf("%s: status %d, %q, wanted %q in\n%s", args, status, errs, want, out)
		}
	}
	for args, want := range map[string]string{
		"62-38 --notation under":   `this problem is not written that way: "under"; it can be cross-out, in-front or expanded`,
		"47+25 --notation roman":   `this problem is not written that way: "roman"; it can be above, under, beside or expanded`,
		"47+25 --when now":         `--when: there is no such way of working: "now"; it can be at-ten or after-column`,
		"47+25 --digits loud":      `--digits: this cannot be chosen: "loud"; it can be one of [by-kind face-value]`,
		"47+25 --places feet":      `--places: this cannot be chosen: "feet"; it can be one of [ones units beads blocks]`,
		"47+25 --words barter":     `--words: this cannot be chosen: "barter"; it can be one of [swap trade exchange regroup carry rename]`,
		"47+25 --separator dots":   `--separator: this cannot be chosen: "dots"; it can be one of [none comma space]`,
		"47+25 --teens slowly":     `--teens: this cannot be chosen: "slowly"; it can be one of [plain ten-and]`,
		"62-38 --order at-once":    `--order: there is no such way of working: "at-once"; it can be as-needed or swaps-first`,
		"62-38 --zeros by-a-leap":  `--zeros: there is no such way of working: "by-a-leap"; it can be place-by-place or as-one`,
		"62-38 --notation":         `flag needs an argument: --notation`,
		"1000000-1 --notation sum": `"1000000-1", at character 1: a number has at most 6 digits: 1000000 has 7`,
	} {
		out, errs, status := run(t, "", nil, append([]string{"work"}, strings.Fields(args)...)...)
		if status != 2 || out != "" || strings.Count(errs, "\n") != 1 || !strings.Contains(errs, want) {
			t.Errorf("%s: status %d, %q, wanted %q", args, status, errs, want)
		}
	}
	out, _, _ := run(t, "", nil, "work", "503-128", "--json")
	var got struct {
		Written []string
		Steps   []struct {
			At     string
			Column []struct {
				Row    int
				Place  string
				Digit  int
				Struck bool
			}
			Expanded []string
		}
	}
	if err := json.Unmarshal([]byte(out), &got); err != nil {
		t.Fatal(err)
	}
	last := got.Steps[len(got.Steps)-1]
	struck := 0
	for _, m := range last.Column {
		if m.Struck {
			struck++
		}
	}
	if len(got.Written) != 6 || got.Steps[0].At != "before/0" || len(got.Steps[0].Column) != 0 || struck != 4 || last.Expanded[3] != "375" {
		t.Errorf("%+v", last)
	}
}

func TestChoose(t *testing.T) {
	ask := []string{"choose", "--op", "add", "--digits", "2,2", "--swap", "ones=yes,tens=no", "--zeros", "any", "--count", "12", "--json"}
	type chosen struct {
		Fits     json.Number
		Problems [][2]int
	}
	read := func(args ...string) (got chosen, errs string) {
		t.Helper()
		out, errs, status := run(t, "", nil, args...)
		if err := json.Unmarshal([]byte(out), &got); err != nil || status != 0 || strings.Contains(out, "null") {
			t.Fatalf("%v: status %d, %v, %s%s", args, status, err, out, errs)
		}
		return got, errs
	}
	seeded, told := read(append(ask, "--seed", "7")...)
	again, _ := read(append(ask, "--seed", "7")...)
	if seeded.Fits != "1260" || len(seeded.Problems) != 12 || fmt.Sprint(seeded) != fmt.Sprint(again) || told != "" {
		t.Errorf("%+v, %+v, %q", seeded, again, told)
	}
	drawn, told := read(ask...)
	var seed string
	if _, err := fmt.Sscanf(told, "seed %s\n", &seed); err != nil {
		t.Fatalf("no seed is told: %q", told)
	}
	if same, _ := read(append(ask, "--seed", seed)...); fmt.Sprint(same) != fmt.Sprint(drawn) {
		t.Error("the seed that is told draws other problems")
	}
	for name, c := range map[string]struct {
		args  []string
		fits  json.Number
		count int
	}{
		"nothing fits":                {[]string{"choose", "--digits", "2,2", "--swap", "ones=yes,tens=no", "--zeros", "yes", "--json"}, "0", 0},
		"more asked than fit":         {[]string{"choose", "--digits", "1,1", "--count", "1000", "--json"}, "81", 81},
		"no for a place of no number": {[]string{"choose", "--digits", "1,1", "--swap", "millions=no,tens=any", "--json"}, "81", 12},
		"a number beyond 2^53":        {[]string{"choose", "--digits", "6,6,6,6,6,6", "--count", "1", "--json"}, "531441000000000000000000000000000000", 1},
	} {
		if name == "a number beyond 2^53" {
			out, _, _ := run(t, "", nil, c.args...)
			if !strings.Contains(out, `"fits":"`+string(c.fits)+`",`) {
				t.Errorf("%s: %s", name, out)
			}
			continue
		}
		if got, _ := read(c.args...); got.Fits != c.fits || len(got.Problems) != c.count || got.Problems == nil {
			t.Errorf("%s: %s fit, %d drawn", name, got.Fits, len(got.Problems))
		}
	}
	// By every operation, with wishes of its own; 503 - 128 swaps into tens and ones.
	for args, want := range map[string]string{
		"--op subtract --digits 3,3 --swap ones=yes,tens=yes,hundreds=no":           `{"fits":"89100",`,
		"--op subtract --digits 3,3 --cross-zero yes --zeros no":                    `{"fits":"0","problems":[]}`,
		"--op subtract --digits 3,3 --stage taking/across-one-zero":                 `{"fits":"16200",`,
		"--op share --digits 2 --swap tens=no --remainder no --by 2":                `{"fits":"20",`,
		"--op multiply --digits 1 --by 3 --swap ones=no":                            `{"fits":"3",`,
		"--op add --digits 1,1,1 --make-ten yes --doubles yes":                      `{"fits":"49",`,
		"--digits 2,2 --per-place-limit ones=12 --groups 2 --swap ones=yes":         `{"fits":"0",`,
		"--digits 2,2 --only-by-below tens=yes --exact tens=yes --count 1":          `{"fits":"360",`,
		"--digits 2,2 --swap tens=no --spread --count 4 --seed 5 --zero-at ones=no": `{"fits":`,
	} {
		out, errs, status := run(t, "", nil, append([]string{"choose", "--json"}, strings.Fields(args)...)...)
		if status != 0 || !strings.HasPrefix(out, want) {
			t.Errorf("%s: status %d, %s%.60s, wanted %s", args, status, errs, out, want)
		}
	}
	if plain, _, _ := run(t, "", nil, "choose", "--digits", "2,2", "--seed", "1", "--count", "1"); !strings.HasPrefix(plain, "Two numbers of two digits.\n8100 fit\n  ") {
		t.Errorf("in the terminal: %s", plain)
	}
}

func TestAccounts(t *testing.T) {
	db := pgtest.Empty(t)
	env := []string{"VINESWAP_DATABASE=" + db}
	add := []string{"account", "add", "--email", "Mira@school.test", "--class", "Plum room", "--zone", "Europe/Vienna"}
	if _, errs, status := run(t, "short\n", env, add...); status != 2 || !strings.Contains(errs, "at least 10") {
		t.Errorf("a short password: %d %s", status, errs)
	}
	out, errs, status := run(t, "a-long-password\n", env, add...)
	if status != 0 || out != "mira@school.test leads Plum room.\n" {
		t.Fatalf("%d %s%s", status, out, errs)
	}
	if _, errs, status := run(t, "a-long-password\n", env, add...); status != 1 || !strings.Contains(errs, "already used") {
		t.Errorf("twice: %d %s", status, errs)
	}
	if _, errs, status := run(t, "a-new-password\n", env, "account", "reset", "--email", "nobody@school.test"); status != 2 {
		t.Errorf("nobody's password: %d %s", status, errs)
	}
	if _, errs, status := run(t, "a-new-password\n", env, "account", "reset", "--email", "mira@school.test"); status != 0 {
		t.Errorf("reset: %d %s", status, errs)
	}
	ctx := context.Background()
	s := pgtest.Open(t, db)
	a, err := s.AccountByEmail(ctx, "mira@school.test")
	if err != nil || a.Name != "mira" || strings.Contains(a.Password, "password") {
		t.Fatalf("kept %+v, %v", a, err)
	}
	classes, err := s.Memberships(ctx, a.ID)
	if err != nil || len(classes) != 1 || classes[0].Class != "Plum room" || classes[0].Role != "lead" {
		t.Errorf("classes %+v, %v", classes, err)
	}
}

// house is a demo as a process, in a state directory of its own.
type house struct {
	*testing.T
	dir string
}

func newHouse(t *testing.T) house {
	t.Helper()
	dir, err := os.MkdirTemp("/var/tmp", "vineswap-demo-")
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { os.RemoveAll(dir) })
	return house{t, dir}
}

// process is one run of the demo, and what it has printed.
type process struct {
	house
	cmd  *exec.Cmd
	lock chan struct{}
	out  *bytes.Buffer
}

func (h house) start(args ...string) *process {
	h.Helper()
	p := &process{house: h, cmd: exec.Command(binary, append([]string{"demo"}, args...)...), lock: make(chan struct{}, 1), out: &bytes.Buffer{}}
	p.cmd.Env = append(os.Environ(), "VINESWAP_STATE="+h.dir)
	pipe, err := p.cmd.StdoutPipe()
	if err != nil {
		h.Fatal(err)
	}
	p.cmd.Stderr = os.Stderr
	if err := p.cmd.Start(); err != nil {
		h.Fatal(err)
	}
	go func() {
		buf := make([]byte, 4096)
		for {
			n, err := pipe.Read(buf)
			p.lock <- struct{}{}
			p.out.Write(buf[:n])
			<-p.lock
			if err != nil {
				return
			}
		}
	}()
	h.Cleanup(func() {
		p.cmd.Process.Kill()
		p.cmd.Wait()
	})
	return p
}

func (p *process) said() string {
	p.lock <- struct{}{}
	defer func() { <-p.lock }()
	return p.out.String()
}

// address waits until the demo says where it is open.
func (p *process) address() string {
	p.Helper()
	for range 3_600 { // three minutes: other tests have the machine too
		if _, rest, found := strings.Cut(p.said(), "is open at "); found && strings.Contains(rest, "Ctrl-C") {
			return strings.Fields(rest)[0]
		}
		time.Sleep(50 * time.Millisecond)
	}
	p.Fatalf("the demo does not open: %s", p.said())
	return ""
}

func answers(address string) bool {
	client := http.Client{Timeout: 2 * time.Second}
	res, err := client.Get(address + "/readyz")
	if err != nil {
		return false
	}
	defer res.Body.Close()
	return res.StatusCode == http.StatusOK
}

// database is the process id of the demo's PostgreSQL.
func (h house) database() string {
	h.Helper()
	text, err := os.ReadFile(filepath.Join(h.dir, "postgres", "data", "postmaster.pid"))
	if err != nil {
		h.Fatal(err)
	}
	first, _, _ := strings.Cut(string(text), "\n")
	return first
}

func gone(pid string) bool {
	for range 200 {
		if _, err := os.Stat("/proc/" + pid); err != nil {
			return true
		}
		time.Sleep(50 * time.Millisecond)
	}
	return false
}

func (p *process) stop(signal os.Signal) error {
	p.Helper()
	if err := p.cmd.Process.Signal(signal); err != nil {
		p.Fatal(err)
	}
	return p.cmd.Wait()
}

// The story of the first command: a start, one beside it, a kill, another start
// on the same data, an end that ends the database too, and a fresh one.
func TestDemoFromStartToStop(t *testing.T) {
	h := newHouse(t)
	busy, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		t.Fatal(err)
	}
	defer busy.Close()
	port := fmt.Sprint(busy.Addr().(*net.TCPAddr).Port)

	first := h.start("--port", port)
	address := first.address()
	if strings.HasSuffix(address, ":"+port) || !answers(address) {
		t.Errorf("a busy port did not move on: %s", address)
	}
	for _, l := range demo.Logins() {
		if !strings.Contains(first.said(), l.Email) {
			t.Errorf("the log-in %s is not printed", l.Email)
		}
	}
	beside, _, status := run(t, "", []string{"VINESWAP_STATE=" + h.dir}, "demo")
	if status != 0 || !strings.Contains(beside, address) {
		t.Errorf("one beside it: %d %q", status, beside)
	}
	if _, errs, status := run(t, "", []string{"VINESWAP_STATE=" + h.dir}, "demo", "--reset"); status != 1 || !strings.Contains(errs, "running") {
		t.Errorf("a reset beside it: %d %q", status, errs)
	}

	// The process is killed without a word.
	firstPage(t, address)
	pid := h.database()
	first.stop(syscall.SIGKILL)
	if !gone(pid) {
		t.Fatal("the database outlives a killed demo")
	}
	second := h.start("--port", port)
	address = second.address()
	if !answers(address) {
		t.Error("it does not answer after a kill")
	}
	pid = h.database()
	if err := second.stop(os.Interrupt); err != nil {
		t.Errorf("Ctrl-C ends it with %v", err)
	}
	if answers(address) || !gone(pid) {
		t.Error("Ctrl-C left something running")
	}

	// The data of the first run is there until it is reset.
	before := clusterAge(t, h)
	third := h.start("--port", port)
	third.address()
	if clusterAge(t, h) != before {
		t.Error("another start made another database")
	}
	third.stop(syscall.SIGTERM)
	fresh := h.start("--reset", "--port", port)
	fresh.address()
	if clusterAge(t, h) == before {
		t.Error("a reset kept the database")
	}
}

// clusterAge tells one cluster from another.
func clusterAge(t *testing.T, h house) string {
	t.Helper()
	password, err := os.ReadFile(filepath.Join(h.dir, "postgres", "password"))
	if err != nil {
		t.Fatal(err)
	}
	return string(password)
}

// firstPage sees that the built screens are served.
func firstPage(t *testing.T, address string) {
	t.Helper()
	res, err := http.Get(address + "/")
	if err != nil {
		t.Fatal(err)
	}
	defer res.Body.Close()
	if res.StatusCode != http.StatusOK {
		t.Errorf("the first page is %d: have the screens been built?", res.StatusCode)
	}
}

// The slips of a task: as JSON with what each gives, and in words with what stands on paper.
func TestSlips(t *testing.T) {
	out, errs, status := run(t, "", nil, "slips", "503-128", "--json")
	var got struct {
		Right int `json:"right"`
		Slips []struct {
			ID     string `json:"id"`
			Answer int    `json:"answer"`
		} `json:"slips"`
	}
	if err := json.Unmarshal([]byte(out), &got); err != nil || status != 0 || errs != "" || got.Right != 375 || len(got.Slips) < 8 {
		t.Fatalf("status %d, %q, %v", status, errs, err)
	}
	for _, s := range got.Slips {
		if s.Answer == 375 || s.ID == "jumps-over-zero" && s.Answer != 285 {
			t.Errorf("%s gives %d", s.ID, s.Answer)
		}
	}
	out, _, _ = run(t, "", nil, "slips", "72/3", "--json")
	if want := `{"right":24,"remainder":0,"slips":[{"id":"leftover-dropped","answer":20,"remainder":2}]}` + "\n"; out != want {
		t.Errorf("%s", out)
	}
	out, _, _ = run(t, "", nil, "slips", "47+25")
	if !strings.Contains(out, "62: the ten that came up was not added (drops-new-ten)\n  47\n+ 25\n----\n  62\n") {
		t.Errorf("%s", out)
	}
	if out, _, status = run(t, "", nil, "slips", "78:6"); status != 0 || !strings.Contains(out, "no usual slip") {
		t.Errorf("%d %s", status, out)
	}
}

// Answers of several learners: every one comes back, with what explains its answers.
func TestJudge(t *testing.T) {
	path := filepath.Join(t.TempDir(), "answers.csv")
	table := "learner,problem,answer\nWren A.,62-38,36\nTeo B.,62-38,24\nWren A.,71-46,35\nWren A.,85-49,44\nMina S.,47+25,62\nMina S.,62-38,36\nMina S.,368+275,533\nMina S.,71-46,35\n"
	if err := os.WriteFile(path, []byte(table), 0o600); err != nil {
		t.Fatal(err)
	}
	out, errs, status := run(t, "", nil, "judge", path, "--json")
	var got struct {
		Learners []struct {
			Learner, Verdict, Next string
			Answers                int
			Explanations           []struct {
				Slips       []string
				Alike       [][]string
				Probability float64
				Explains    []int
			}
		}
	}
	if err := json.Unmarshal([]byte(out), &got); err != nil || status != 0 || errs != "" || len(got.Learners) != 3 {
		t.Fatalf("status %d, %q, %q, %v", status, out, errs, err)
	}
	wren, teo, mina := got.Learners[0], got.Learners[1], got.Learners[2]
	if wren.Verdict != "slip" || wren.Answers != 3 || !reflect.DeepEqual(wren.Explanations[0].Slips, []string{"smaller-from-larger"}) || !reflect.DeepEqual(wren.Explanations[0].Explains, []int{1, 2, 3}) || wren.Next == "" {
		t.Errorf("%+v", wren)
	}
	if teo.Verdict != "not-enough" || len(teo.Explanations) == 0 || len(teo.Explanations[0].Slips) != 0 {
		t.Errorf("%+v", teo)
	}
	if !reflect.DeepEqual(mina.Explanations[0].Slips, []string{"drops-new-ten", "smaller-from-larger"}) || len(mina.Explanations[0].Explains) != 4 {
		t.Errorf("two slips in two operations: %+v", mina)
	}
	if plain, _, status := run(t, "", nil, "judge", path); status != 0 || !strings.Contains(plain, "Wren A., 3 answers: a slip") || !strings.Contains(plain, "explains 3 of 3") {
		t.Errorf("%d %s", status, plain)
	}
	if err := os.WriteFile(path, []byte("learner,problem,answer\nWren A.,62-380,36\n"), 0o600); err != nil {
		t.Fatal(err)
	}
	if _, errs, status := run(t, "", nil, "judge", path); status != 2 || !strings.Contains(errs, "line 2, problem") {
		t.Errorf("%d %s", status, errs)
	}
}
