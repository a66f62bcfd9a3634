package trace

import (
	"errors"

	"vineswap/core/task"
)

// Worker works a task by the class's method.
type Worker func(task.Task, Method) (Trace, error)

// ErrNoTrace is the error of working a task whose kind nobody has registered a worker
// for.
var ErrNoTrace = errors.New("this kind of task is not shown on the mat yet")

var workers = map[task.Kind]Worker{}

// Register says how tasks of a kind are worked. It is called while the program starts.
func Register(kind task.Kind, w Worker) { workers[kind] = w }

// Of works a task; ErrNoTrace where its kind has no worker, otherwise the worker's error.
func Of(t task.Task, m Method) (Trace, error) {
	work := workers[t.Kind]
	if work == nil {
		return Trace{}, ErrNoTrace
	}
	return work(t, m)
}
