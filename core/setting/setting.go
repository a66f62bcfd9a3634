// Package setting is the record of what a class has set: its words and its
// material. One record, with a version, and a default for all that is unknown.
package setting

import (
	"encoding/json"
	"fmt"

	"vineswap/core/material"
	"vineswap/core/say"
)

// Version is written with every record. Fields are only ever added, so an older
// record reads as itself with defaults, and a newer one keeps what is known.
const Version = 1

// Class is what a class has set.
type Class struct {
	Version  int           `json:"version"`
	Swap     say.SwapWord  `json:"swap"`
	Places   say.PlaceWord `json:"places"`
	And      bool          `json:"and"`
	Material material.Kind `json:"material"`
}

// Default is what a new class has: the first side of every choice.
func Default() Class {
	return Class{Version: Version, Swap: say.Swap, Places: say.Ones, Material: material.Beads}
}

// Words are the class's words for the sentences.
func (c Class) Words() say.Words { return say.Words{Swap: c.Swap, Places: c.Places, And: c.And} }

// Read reads a kept record. What is missing, or not known to this version, is
// the default; an error is returned only for text that is no JSON object.
func Read(data []byte) (Class, error) {
	kept := Default()
	if err := json.Unmarshal(data, &kept); err != nil {
		return Default(), fmt.Errorf("settings of the class: %w", err)
	}
	usual := Default()
	if _, err := say.ParseSwapWord(string(kept.Swap)); err != nil {
		kept.Swap = usual.Swap
	}
	if _, err := say.ParsePlaceWord(string(kept.Places)); err != nil {
		kept.Places = usual.Places
	}
	if _, err := material.ParseKind(string(kept.Material)); err != nil {
		kept.Material = usual.Material
	}
	return kept, nil
}

// Made checks a record that a guide has set: unlike Read it refuses what is
// unknown.
func Made(swap, places, kind string, and bool) (Class, error) {
	c := Class{Version: Version, And: and}
	var err error
	if c.Swap, err = say.ParseSwapWord(swap); err != nil {
		return c, err
	}
	if c.Places, err = say.ParsePlaceWord(places); err != nil {
		return c, err
	}
	c.Material, err = material.ParseKind(kind)
	return c, err
}
