// Package figures keeps what was measured in docs/figures.md, a part for each command
// that measures.
package figures

import (
	"fmt"
	"os"
	"runtime"
	"strings"
	"time"
)

// File is where the figures are kept, from the root of the checkout.
const File = "docs/figures.md"

// Keep replaces the part of a command with what it has measured just now, in Markdown.
// Other parts stay as they are.
func Keep(command, text string) error {
	had, err := os.ReadFile(File)
	if err != nil {
		return err
	}
	made, err := replaced(string(had), command, text, time.Now())
	if err != nil {
		return err
	}
	return os.WriteFile(File, []byte(made), 0o644)
}

func replaced(had, command, text string, now time.Time) (string, error) {
	begin, end := fmt.Sprintf("<!-- %s -->\n", command), fmt.Sprintf("<!-- end of %s -->\n", command)
	before, rest, found := strings.Cut(had, begin)
	_, after, ends := strings.Cut(rest, end)
	if !found || !ends {
		return "", fmt.Errorf("%s has no part for %s", File, command)
	}
	said := fmt.Sprintf("Measured on %s with `%s`, on %d cores.\n\n", now.Format("2 January 2006"), command, runtime.NumCPU())
	return before + begin + said + strings.TrimSpace(text) + "\n" + end + after, nil
}
