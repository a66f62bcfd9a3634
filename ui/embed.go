// Package ui embeds the built screens in the binary.
package ui

import (
	"embed"
	"io/fs"
)

//go:embed all:dist
var dist embed.FS

// Screens are the built files; before the first build there is a placeholder
// alone.
func Screens() (fs.FS, error) { return fs.Sub(dist, "dist") }
