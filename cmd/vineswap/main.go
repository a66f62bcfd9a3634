// Command vineswap is the one binary: it serves the application, sets up its
// database and accounts, and works and chooses problems on the command line.
package main

import (
	"context"
	"errors"
	"fmt"
	"os"
	"os/signal"
	"regexp"
	"slices"
	"strings"
	"syscall"

	"github.com/spf13/cobra"
)

// exitUsage is the status for input that cannot be understood, exitFailed for
// everything else that goes wrong.
const (
	exitFailed = 1
	exitUsage  = 2
)

// usageError is a mistake in what was typed: one line on standard error and
// status 2.
type usageError struct{ error }

func (e usageError) Unwrap() error { return e.error }

func main() {
	ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt, syscall.SIGTERM)
	cmd := root()
	cmd.SetArgs(withHelpLast(os.Args[1:]))
	err := cmd.ExecuteContext(ctx)
	stop()
	if err == nil {
		return
	}
	fmt.Fprintln(os.Stderr, "vineswap: "+shortened(strings.ReplaceAll(err.Error(), "\n", " ")))
	var usage usageError
	if errors.As(err, &usage) {
		os.Exit(exitUsage)
	}
	os.Exit(exitFailed)
}

// withHelpLast makes of arguments that ask for help anywhere nothing but the command and
// that question, so that nothing else that was typed is in its way.
func withHelpLast(args []string) []string {
	asks := slices.ContainsFunc(args, func(a string) bool { return a == "--help" || a == "-h" })
	if !asks {
		return args
	}
	names := []string{}
	at := root()
	for _, arg := range args {
		if next := slices.IndexFunc(at.Commands(), func(c *cobra.Command) bool { return c.Name() == arg }); next >= 0 {
			at = at.Commands()[next]
			names = append(names, arg)
		}
	}
	return append(names, "--help")
}

// mostEchoed is how many characters of what was typed an error repeats.
const mostEchoed = 80

// long finds what was typed, in quotes or as one word, that is too long to be repeated.
var long = regexp.MustCompile(`"(?:[^"\\]|\\.){81,}"|[^\s"]{81,}`)

// shortened is an error without the end of what is long in it.
func shortened(text string) string {
	return long.ReplaceAllStringFunc(text, func(word string) string {
		quote := ""
		if strings.HasPrefix(word, `"`) {
			quote, word = `"`, strings.Trim(word, `"`)
		}
		return quote + string([]rune(word)[:mostEchoed]) + "…" + quote
	})
}

func root() *cobra.Command {
	cmd := &cobra.Command{
		Use:           "vineswap",
		Short:         "Choose numbers by the swaps they cause and work them with pieces, for primary teachers",
		SilenceUsage:  true,
		SilenceErrors: true,
		Args:          cobra.ArbitraryArgs,
		RunE: func(cmd *cobra.Command, args []string) error {
			if len(args) > 0 {
				return usageError{fmt.Errorf("there is no command %q: see vineswap --help", args[0])}
			}
			return cmd.Help()
		},
	}
	cmd.SetFlagErrorFunc(func(_ *cobra.Command, err error) error { return usageError{err} })
	cmd.AddCommand(workCommand(), chooseCommand(), serveCommand(), demoCommand(), migrateCommand(), rejudgeCommand(), slipsCommand(), accountCommand(), ladderCommand(), judgeCommand(), groupCommand(), tensCommand(), crowdCommand(), renameCommand(), rackCommand(), snakeCommand(), turnsCommand(), sheetCommand())
	return cmd
}

// exactly is cobra.ExactArgs with an error that counts as a mistake in typing.
func exactly(n int, what string) cobra.PositionalArgs {
	return func(_ *cobra.Command, args []string) error {
		if len(args) != n {
			return usageError{fmt.Errorf("%s; %d arguments given", what, len(args))}
		}
		return nil
	}
}
