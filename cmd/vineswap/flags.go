package main

import (
	"fmt"
	"strconv"
)

// whole is a flag with a whole number from 0, written with decimal digits: 010 is ten.
type whole int

func (w *whole) String() string { return strconv.Itoa(int(*w)) }

func (w *whole) Type() string { return "number" }

func (w *whole) Set(text string) error {
	n, err := strconv.ParseUint(text, 10, 63)
	if err != nil {
		return fmt.Errorf("this must be a whole number, 0 or more")
	}
	*w = whole(n)
	return nil
}
