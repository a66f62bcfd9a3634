package place

import "strings"

// Set is some of the places. The zero value has none.
type Set uint8

// SetOf is the set of some places.
func SetOf(places ...Place) Set {
	var s Set
	for _, p := range places {
		s |= 1 << p
	}
	return s
}

// Has tells whether a place is one of the set.
func (s Set) Has(p Place) bool { return s&(1<<p) != 0 }

// Places lists the places of the set, from the ones up.
func (s Set) Places() []Place {
	var places []Place
	for _, p := range All() {
		if s.Has(p) {
			places = append(places, p)
		}
	}
	return places
}

// String writes the names of the places, from the ones up, with a space between: "ones
// hundreds". A set with none is an empty text.
func (s Set) String() string {
	var names []string
	for _, p := range s.Places() {
		names = append(names, p.String())
	}
	return strings.Join(names, " ")
}

// ParseSet reads what String writes, in any order. The error is that of Parse.
func ParseSet(text string) (Set, error) {
	var s Set
	for name := range strings.FieldsSeq(text) {
		p, err := Parse(name)
		if err != nil {
			return 0, err
		}
		s |= SetOf(p)
	}
	return s, nil
}
