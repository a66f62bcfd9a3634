// Package wire has the types that cross between server and screen, and makes
// them of core's. The TypeScript types are generated from these; nothing here
// decides anything.
package wire
