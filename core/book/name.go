package book

import (
	"errors"
	"strings"
	"unicode"
)

// Errors of a name that cannot be kept.
var (
	ErrNoName    = errors.New("a name is missing")
	ErrLongName  = errors.New("the name is too long")
	ErrNameSigns = errors.New("the name has characters in it that cannot be seen, or that reverse the direction of writing")
)

// Joiners, which some scripts need between letters.
const (
	joiner    = '\u200d'
	nonJoiner = '\u200c'
)

// Name reads a name as it was typed: with single spaces between its words, and at most
// so many characters. Characters that cannot be seen are refused, because two names that look
// alike would be two.
func Name(text string, most int) (string, error) {
	name := strings.Join(strings.Fields(text), " ")
	runes := []rune(name)
	seen := false
	for i, r := range runes {
		switch {
		case r == joiner || r == nonJoiner:
			if i == 0 || i == len(runes)-1 || !inWord(runes[i-1]) || !inWord(runes[i+1]) {
				return "", ErrNameSigns
			}
		case r != ' ' && !unicode.IsGraphic(r), r == unicode.ReplacementChar, isBlank(r):
			return "", ErrNameSigns
		case r != ' ' && !unicode.Is(unicode.M, r):
			seen = true
		}
	}
	switch {
	case len(runes) > most:
		return "", ErrLongName
	case !seen:
		return "", ErrNoName
	}
	return name, nil
}

func inWord(r rune) bool { return unicode.IsLetter(r) || unicode.Is(unicode.M, r) }

// isBlank tells of characters that count as letters or symbols and show nothing: fillers
// of Hangul, the empty Braille cell, selectors of a variant.
func isBlank(r rune) bool {
	return r == '\u115f' || r == '\u1160' || r == '\u3164' || r == '\uffa0' || r == '\u2800' || r >= '\ufe00' && r <= '\ufe0f' || r >= '\U000e0100' && r <= '\U000e01ef'
}
