package main

import (
	"bufio"
	"errors"
	"fmt"
	"io"
	"net/mail"
	"os"
	"strings"
	"time"

	"github.com/google/uuid"
	"github.com/spf13/cobra"
	"golang.org/x/term"

	"vineswap/core/book"
	"vineswap/core/setting"
	"vineswap/server"
	"vineswap/store"
)

func accountCommand() *cobra.Command {
	cmd := &cobra.Command{Use: "account", Short: "Make accounts and set passwords"}
	cmd.AddCommand(accountAddCommand(), accountResetCommand())
	return cmd
}

// How many characters an email has, and the name of an account or class.
const (
	mostEmail = 200
	mostNamed = 80
)

type newAccount struct{ email, name, class, zone string }

func accountAddCommand() *cobra.Command {
	var a newAccount
	cmd := &cobra.Command{
		Use:   "add",
		Short: "Make an account and the class that it leads; the password is read from the terminal or standard input",
		RunE: func(cmd *cobra.Command, _ []string) error {
			if err := a.check(); err != nil {
				return usageError{err}
			}
			return withStore(cmd.Context(), func(_ config, s *store.Store) error {
				hash, err := readPassword(cmd)
				if err != nil {
					return err
				}
				account := store.Account{ID: uuid.New(), Email: a.email, Name: a.name, Password: hash}
				class := store.Class{ID: uuid.New(), Name: a.class, Zone: a.zone, Settings: setting.Default()}
				if err := s.AddAccountWithClass(cmd.Context(), account, class); err != nil {
					return err
				}
				_, err = fmt.Fprintf(cmd.OutOrStdout(), "%s leads %s.\n", a.email, a.class)
				return err
			})
		},
	}
	cmd.Flags().StringVar(&a.email, "email", "", "the email to log in with")
	cmd.Flags().StringVar(&a.name, "name", "", "what the account is called; the part before @ by default")
	cmd.Flags().StringVar(&a.class, "class", "", "the name of the new class")
	cmd.Flags().StringVar(&a.zone, "zone", "", "the class's time zone, such as Europe/Vienna")
	return cmd
}

func (a *newAccount) check() error {
	address, err := mail.ParseAddress(clean(a.email))
	if err != nil || address.Name != "" {
		return fmt.Errorf("--email %q is not an email address", a.email)
	}
	if a.email = strings.ToLower(address.Address); len(a.email) > mostEmail {
		return fmt.Errorf("--email has at most %d characters", mostEmail)
	}
	if a.name = clean(a.name); a.name == "" {
		a.name, _, _ = strings.Cut(a.email, "@")
	}
	if a.class == "" {
		return errors.New("--class is missing: name the class that the account leads")
	}
	for flag, text := range map[string]*string{"--name": &a.name, "--class": &a.class} {
		if *text, err = book.Name(*text, mostNamed); err != nil {
			return fmt.Errorf("%s: %w", flag, err)
		}
	}
	if _, err := time.LoadLocation(a.zone); err != nil || a.zone == "" {
		return fmt.Errorf("--zone %q is not a time zone, such as Europe/Vienna", a.zone)
	}
	return nil
}

func accountResetCommand() *cobra.Command {
	var email string
	cmd := &cobra.Command{
		Use:   "reset",
		Short: "Set a new password, read from the terminal or standard input",
		RunE: func(cmd *cobra.Command, _ []string) error {
			return withStore(cmd.Context(), func(_ config, s *store.Store) error {
				if _, err := s.AccountByEmail(cmd.Context(), clean(email)); errors.Is(err, store.ErrNone) {
					return usageError{fmt.Errorf("--email %q: there is no such account", email)}
				} else if err != nil {
					return err
				}
				hash, err := readPassword(cmd)
				if err != nil {
					return err
				}
				if err := s.SetPassword(cmd.Context(), clean(email), hash); err != nil {
					return err
				}
				_, err = fmt.Fprintf(cmd.OutOrStdout(), "%s has a new password.\n", clean(email))
				return err
			})
		},
	}
	cmd.Flags().StringVar(&email, "email", "", "the email of the account")
	return cmd
}

// readPassword reads a password without showing it, or the first line of
// standard input, and returns its hash.
func readPassword(cmd *cobra.Command) (string, error) {
	var password string
	if in := int(os.Stdin.Fd()); cmd.InOrStdin() == os.Stdin && term.IsTerminal(in) {
		fmt.Fprint(cmd.ErrOrStderr(), "New password: ")
		typed, err := term.ReadPassword(in)
		fmt.Fprintln(cmd.ErrOrStderr())
		if err != nil {
			return "", err
		}
		password = string(typed)
	} else {
		line, err := bufio.NewReader(cmd.InOrStdin()).ReadString('\n')
		if err != nil && !errors.Is(err, io.EOF) {
			return "", err
		}
		password = strings.TrimRight(line, "\r\n")
	}
	hash, err := server.HashPassword(password)
	if errors.Is(err, server.ErrShortPassword) {
		return "", usageError{err}
	}
	return hash, err
}
