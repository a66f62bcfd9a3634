package task_test

import (
	"encoding/json"
	"errors"
	"fmt"
	"reflect"
	"testing"

	"vineswap/core/place"
	"vineswap/core/problem"
	"vineswap/core/task"
)

// bell is a made-up kind of task: how many times does the bell ring?
type bell struct {
	Rings place.Number `json:"rings"`
}

func (b bell) Valid() error {
	if b.Rings < 1 {
		return errors.New("a bell rings once at least")
	}
	return nil
}
func (b bell) String() string             { return fmt.Sprint("bell ", b.Rings) }
func (b bell) Right() task.Answer         { return task.Answer{b.Rings} }
func (b bell) Write(a task.Answer) string { return a[0].String() }
func (b bell) Read(given string) (task.Answer, bool) {
	n, read := task.ReadNumber(given)
	return task.Answer{n}, read
}
func (b bell) Shows() []task.Skill   { return nil }
func (b bell) Wrong() []task.Wrong   { return nil }
func (b bell) Largest() place.Number { return b.Rings }

func init() {
	task.Register("bell", task.Rules{Version: 3, Read: func(version int, data []byte) (task.Data, error) {
		var b bell
		err := json.Unmarshal(data, &b)
		if version == 2 { // counted from nothing then
			b.Rings++
		}
		return b, err
	}, Parse: func(text string) (task.Data, error) {
		var b bell
		if n, _ := fmt.Sscanf(text, "bell %d", &b.Rings); n == 0 {
			return nil, task.ErrForm
		}
		return b, b.Valid()
	}})
}

// A record of any version that was ever written is read, and written anew in
// today's.
func TestRecords(t *testing.T) {
	for text, c := range map[string]struct {
		key, again string
		err        error
	}{
		`{"kind":"sum","version":1,"numbers":[47,25]}`:          {"sum:47+25", `{"kind":"sum","version":2,"data":{"numbers":[47,25]}}`, nil},
		`{"kind":"sum","version":2,"data":{"numbers":[25,47]}}`: {"sum:25+47", `{"kind":"sum","version":2,"data":{"numbers":[25,47]}}`, nil},
		`{"kind":"share","version":1,"numbers":[97,4]}`:         {"share:97/4", `{"kind":"share","version":2,"data":{"numbers":[97,4]}}`, nil},
		`{"kind":"bell","version":1,"rings":4}`:                 {"bell:bell 4", `{"kind":"bell","version":3,"data":{"rings":4}}`, nil},
		`{"kind":"bell","version":2,"data":{"rings":4}}`:        {"bell:bell 5", `{"kind":"bell","version":3,"data":{"rings":5}}`, nil},
		`{"kind":"bell","version":3,"data":{"rings":4}}`:        {"bell:bell 4", `{"kind":"bell","version":3,"data":{"rings":4}}`, nil},
		`{"kind":"sum","version":3,"data":{"numbers":[47,25]}}`: {"", "", task.ErrVersion},
		`{"kind":"sum","version":0,"numbers":[47,25]}`:          {"", "", task.ErrVersion},
		`{"kind":"riddle","version":1,"numbers":[47,25]}`:       {"", "", task.ErrKind},
	} {
		var got task.Task
		err := json.Unmarshal([]byte(text), &got)
		if !errors.Is(err, c.err) {
			t.Errorf("%s: %v", text, err)
		}
		if err != nil {
			continue
		}
		again, err := json.Marshal(got)
		if err != nil || got.Key() != c.key || string(again) != c.again {
			t.Errorf("%s is %s, written %s, %v", text, got.Key(), again, err)
		}
	}
	if err := (task.Task{}).Valid(); !errors.Is(err, task.ErrNone) {
		t.Errorf("no task is valid: %v", err)
	}
}

// A typed task is of the first kind whose form it has.
func TestParse(t *testing.T) {
	for text, want := range map[string]string{"47 + 25": "sum:47+25", "97÷4": "share:97/4", "52:4": "group:52:4", "bell 3": "bell:bell 3"} {
		if got, err := task.Parse(text); err != nil || got.Key() != want {
			t.Errorf("%s is %v, %v", text, got, err)
		}
	}
	for _, text := range []string{"", "tree", "bell 0", "3-5", "8/12"} {
		if got, err := task.Parse(text); err == nil {
			t.Errorf("%q is %s", text, got.Key())
		}
	}
}

func TestAnswers(t *testing.T) {
	shared := problem.Of(problem.Sharing, 97, 4).Task()
	for given, want := range map[string]bool{"24 r 1": true, " 024 r 1 ": true, "24": false, "24 r 2": false, "": false, "bees": false} {
		if shared.IsRight(given) != want {
			t.Errorf("97 shared by 4, answered %q, is right: %t", given, !want)
		}
	}
}

func TestRegisteredOnce(t *testing.T) {
	defer func() {
		if recover() == nil {
			t.Error("a kind was registered twice")
		}
	}()
	task.Register(problem.Sum, task.Rules{})
}

func ExampleTask_Explains() {
	fmt.Println(problem.DifferenceOf(62, 38).Task().Explains("36"))
	// Output: [smaller-from-larger]
}

func FuzzUnmarshal(f *testing.F) {
	for _, seed := range []string{`{"kind":"sum","version":1,"numbers":[47,25]}`, `{"kind":"sum","version":2,"data":{"numbers":[1]}}`, `{"kind":"sum","version":2}`, `null`, `[]`, `{"kind":"share","version":2,"data":[]}`} {
		f.Add([]byte(seed))
	}
	f.Fuzz(func(t *testing.T, text []byte) {
		var got task.Task
		if json.Unmarshal(text, &got) != nil || got.Valid() != nil {
			return
		}
		again, err := json.Marshal(got)
		var twice task.Task
		if err != nil || json.Unmarshal(again, &twice) != nil || twice.Key() != got.Key() {
			t.Errorf("%s is %s, written %s", text, got.Key(), again)
		}
	})
}

// What tells tasks apart is enough to have them again.
func TestFromKey(t *testing.T) {
	for _, want := range []task.Task{
		problem.SumOf(47, 25).Task(), problem.SumOf(28, 19, 15, 7).Task(), problem.DifferenceOf(503, 128).Task(), problem.Of(problem.Sharing, 97, 4).Task(),
		problem.Of(problem.Grouping, 78, 6).Task(), problem.Of(problem.Trays, 213, 3).Task(),
	} {
		got, err := task.FromKey(want.Key())
		if err != nil || !reflect.DeepEqual(got, want) {
			t.Errorf("%s: %+v, %v", want.Key(), got, err)
		}
	}
	for _, key := range []string{"", "sum", "sum:", "sum:x", "honey:47+25", "sum:97/4"} {
		if got, err := task.FromKey(key); err == nil {
			t.Errorf("%q is %+v", key, got)
		}
	}
}
