package main

import (
	"testing"

	"vineswap/core/ladder"
)

// There are tasks of every stage in every manner that children are followed in.
func TestPool(t *testing.T) {
	for _, strand := range ladder.Strands() {
		for _, stage := range ladder.Stages(strand) {
			for _, manner := range stage.Manners {
				k := ladder.Key{Stage: stage.ID, Manner: manner}
				if list := pool(k); len(list) != tasks {
					t.Fatalf("%d tasks of %v", len(list), k)
				}
				for _, made := range pool(k) {
					if ladder.Credit(made, stage.ID) != stage.ID {
						t.Errorf("%s counts for %s, not for %s", made, ladder.Credit(made, stage.ID), stage.ID)
					}
				}
			}
		}
	}
}
