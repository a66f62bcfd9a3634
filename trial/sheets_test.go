package trial_test

import (
	"testing"

	"vineswap/trial"
)

// Sheets from where a child stands ask nothing that it never worked, and less that is too hard
// than the same sheet for all; they bring slips out more than numbers drawn without looking.
func TestSheetsFromWhereAChildStands(t *testing.T) {
	rows, err := trial.Sheets(1, 3)
	if err != nil {
		t.Fatal(err)
	}
	own, furthest, same := rows[0], rows[1], rows[2]
	if own.New > 0 || own.New > same.New || own.Hard > same.Hard || own.Slips <= furthest.Slips || own.Slips <= same.Slips {
		t.Errorf("%+v", rows)
	}
}
