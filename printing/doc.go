// Package printing draws the pages that core/sheet lays out: as PDF for the printer and as SVG
// for the screen, with the same marks and the same sizes of type. It works out nothing of the
// job.
package printing
