// Package paper sets the written column of a trace on paper: in each notation
// that a class can choose, and in expanded form. It computes nothing of the
// work; it reads what the trace has written, and reads it back.
package paper
