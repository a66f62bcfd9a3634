package main

import (
	"bytes"
	"os"
	"testing"
)

// The checked-in schema, from which the screens' types are made, is current.
func TestSchemaIsCurrent(t *testing.T) {
	want, err := schema()
	if err != nil {
		t.Fatal(err)
	}
	got, err := os.ReadFile("../schema.json")
	if err != nil {
		t.Fatal(err)
	}
	if !bytes.Equal(got, want) {
		t.Error("wire/schema.json is not what wire's types say: run make wire")
	}
}
