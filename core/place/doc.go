// Package place holds numbers as digits and as pieces: the places of a number,
// whole numbers, holdings of pieces, columns of digits, number words and the
// expanded form. It is the ground that every other room of core stands on.
package place
