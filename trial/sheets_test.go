package trial_test

import (
	"testing"

	"vineswap/trial"
)

// Sheets from where a child stands ask nothing that it never worked, and less that is too hard
// than the same sheet for all; they bring slips out more than numbers drawn without looking.
func TestSheetsFromWhereAChildStands(t *testing.T) {
	rows, err := trial.Sheets(2, 3)
	if err != nil {
		t.Fatal(err)
	}
	own, furthest, same := rows[0], rows[1], rows[2]
	if own.New > .02 || own.New >= same.New || own.Hard > same.Hard || own.Right < furthest.Right {
		t.Errorf("%+v", rows)
	}
}
