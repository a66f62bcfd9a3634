package ui_test

import (
	"bytes"
	"compress/gzip"
	"io/fs"
	"path"
	"regexp"
	"testing"

	"vineswap/ui"
)

// mostScript is what the first view may load, in bytes of gzipped script.
const mostScript = 70_000

// named are the scripts that a page names: its own, and what they import at once.
var named = regexp.MustCompile(`assets/[\w-]+\.js`)

func TestFirstViewIsSmall(t *testing.T) {
	screens, err := ui.Screens()
	if err != nil {
		t.Fatal(err)
	}
	page, err := fs.ReadFile(screens, "index.html")
	scripts := named.FindAllString(string(page), -1)
	if err != nil || len(scripts) == 0 {
		t.Fatalf("the screens have not been built (make build): %v", err)
	}
	sum := 0
	for _, name := range scripts {
		text, err := fs.ReadFile(screens, name)
		if err != nil {
			t.Fatal(err)
		}
		var packed bytes.Buffer
		w := gzip.NewWriter(&packed)
		if _, err := w.Write(text); err != nil {
			t.Fatal(err)
		}
		w.Close()
		sum += packed.Len()
	}
	t.Logf("%d bytes of gzipped script", sum)
	if sum > mostScript {
		t.Errorf("%d bytes of gzipped script, at most %d", sum, mostScript)
	}
}

// Everything that the screens need ships with them.
func TestFontsShip(t *testing.T) {
	screens, err := ui.Screens()
	if err != nil {
		t.Fatal(err)
	}
	fonts, err := fs.Glob(screens, "assets/*.woff2")
	if err != nil || len(fonts) != 3 {
		t.Errorf("%d fonts, %v", len(fonts), err)
	}
	for _, f := range fonts {
		if base := path.Base(f); base[:6] != "andika" && base[:8] != "atkinson" {
			t.Errorf("an unknown font %s", base)
		}
	}
}
