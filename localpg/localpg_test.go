package localpg_test

import (
	"context"
	"net"
	"os"
	"os/exec"
	"path/filepath"
	"strconv"
	"strings"
	"testing"
	"time"

	"vineswap/localpg"
)

// stateDir is a directory that the user postgres can enter, unlike t.TempDir.
func stateDir(t *testing.T) string {
	t.Helper()
	dir, err := os.MkdirTemp("/var/tmp", "vineswap-localpg-")
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { os.RemoveAll(dir) })
	return dir
}

func start(t *testing.T, dir string) *localpg.Server {
	t.Helper()
	s, err := localpg.Start(context.Background(), localpg.Options{Dir: dir, Throwaway: true})
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { s.Stop() })
	return s
}

func answers(t *testing.T, url string) bool {
	t.Helper()
	host := strings.SplitN(strings.SplitN(url, "@", 2)[1], "/", 2)[0]
	conn, err := net.DialTimeout("tcp", host, time.Second)
	if err == nil {
		conn.Close()
	}
	return err == nil
}

func TestStartStopAndStartAgain(t *testing.T) {
	dir := stateDir(t)
	first := start(t, dir)
	if !answers(t, first.URL(localpg.Database)) {
		t.Fatal("nothing answers on the port")
	}
	if err := first.Stop(); err != nil {
		t.Fatal(err)
	}
	if answers(t, first.URL(localpg.Database)) {
		t.Error("it answers after it was stopped")
	}
	select {
	case <-first.Ended():
	default:
		t.Error("a stopped server has not ended")
	}
	// A server that was killed leaves its pid file, and another program may
	// have its process id by now: this test's own.
	stale := strconv.Itoa(os.Getpid()) + "\n" + filepath.Join(dir, "data") + "\n"
	if err := os.WriteFile(filepath.Join(dir, "data", "postmaster.pid"), []byte(stale), 0o644); err != nil {
		t.Fatal(err)
	}
	if again := start(t, dir); !answers(t, again.URL(localpg.Database)) {
		t.Error("it does not start again after a kill")
	}
}

// The server dies with the process that started it, even when that is killed.
func TestServerNeverOutlivesItsParent(t *testing.T) {
	if dir := os.Getenv("LOCALPG_CHILD"); dir != "" {
		s, err := localpg.Start(context.Background(), localpg.Options{Dir: dir, Throwaway: true})
		if err != nil {
			os.Exit(3)
		}
		os.Stdout.WriteString(strconv.Itoa(s.Pid()) + "\n")
		select {}
	}
	child := exec.Command(os.Args[0], "-test.run=^TestServerNeverOutlivesItsParent$")
	child.Env = append(os.Environ(), "LOCALPG_CHILD="+stateDir(t))
	out, err := child.StdoutPipe()
	if err != nil {
		t.Fatal(err)
	}
	if err := child.Start(); err != nil {
		t.Fatal(err)
	}
	text := make([]byte, 32)
	n, err := out.Read(text)
	if err != nil {
		t.Fatalf("the child did not start its server: %v", err)
	}
	pid := strings.TrimSpace(string(text[:n]))
	if err := child.Process.Kill(); err != nil {
		t.Fatal(err)
	}
	child.Wait()
	for range 200 {
		if _, err := os.Stat("/proc/" + pid); err != nil {
			return
		}
		time.Sleep(50 * time.Millisecond)
	}
	t.Errorf("process %s lives on", pid)
}

func TestOwnDir(t *testing.T) {
	dir := t.TempDir()
	elsewhere := filepath.Join(dir, "link")
	if err := os.Symlink(dir, elsewhere); err != nil {
		t.Fatal(err)
	}
	if err := localpg.OwnDir(elsewhere); err == nil {
		t.Error("a link was taken for the state directory")
	}
	if err := localpg.OwnDir(filepath.Join(dir, "new")); err != nil {
		t.Error(err)
	}
}
