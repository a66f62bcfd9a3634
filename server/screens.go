package server

import (
	"bytes"
	"compress/gzip"
	"crypto/sha256"
	"encoding/hex"
	"errors"
	"fmt"
	"io/fs"
	"mime"
	"path"
	"strings"

	"github.com/gofiber/fiber/v3"
)

// screen is one built file.
type screen struct {
	kind, etag    string
	plain, packed []byte
	lasting       bool // the name has a hash of what is in it
}

// screens serves the built files from memory; any other path is 404.
type screens map[string]screen

const indexName = "/index.html"

// hashedDir is where the build puts files whose names change with their
// contents.
const hashedDir = "/assets/"

func newScreens(files fs.FS) (screens, error) {
	all := screens{}
	err := fs.WalkDir(files, ".", func(name string, d fs.DirEntry, err error) error {
		if err != nil || d.IsDir() {
			return err
		}
		plain, err := fs.ReadFile(files, name)
		if err != nil {
			return err
		}
		made, err := newScreen("/"+name, plain)
		all["/"+name] = made
		return err
	})
	if err != nil {
		return nil, fmt.Errorf("reading the screens: %w", err)
	}
	return all, nil
}

func newScreen(name string, plain []byte) (screen, error) {
	sum := sha256.Sum256(plain)
	s := screen{kind: mime.TypeByExtension(path.Ext(name)), etag: `"` + hex.EncodeToString(sum[:8]) + `"`, plain: plain, lasting: strings.HasPrefix(name, hashedDir)}
	if s.kind == "" {
		s.kind = "application/octet-stream"
	}
	if strings.HasPrefix(s.kind, "font/") {
		return s, nil // packed already
	}
	var packed bytes.Buffer
	w, err := gzip.NewWriterLevel(&packed, gzip.BestCompression)
	if err != nil {
		return s, err
	}
	if _, err := w.Write(plain); err != nil {
		return s, err
	}
	if err := w.Close(); err != nil {
		return s, err
	}
	s.packed = packed.Bytes()
	return s, nil
}

var errNotBuilt = errors.New("the screens have not been built: run make build")

func (all screens) serve(c fiber.Ctx) error {
	if c.Method() != fiber.MethodGet && c.Method() != fiber.MethodHead {
		return answer(c, notFound())
	}
	name := c.Path()
	if name == "/" {
		name = indexName
	}
	s, ok := all[name]
	if !ok && name == indexName {
		return c.Status(fiber.StatusServiceUnavailable).SendString(sentence(errNotBuilt.Error()))
	}
	if !ok {
		return answer(c, notFound())
	}
	c.Set(fiber.HeaderCacheControl, "no-cache")
	if s.lasting {
		c.Set(fiber.HeaderCacheControl, "public, max-age=31536000, immutable")
	}
	c.Set(fiber.HeaderETag, s.etag)
	c.Set(fiber.HeaderContentType, s.kind)
	c.Vary(fiber.HeaderAcceptEncoding)
	if c.Get(fiber.HeaderIfNoneMatch) == s.etag {
		return c.SendStatus(fiber.StatusNotModified)
	}
	if s.packed != nil && strings.Contains(c.Get(fiber.HeaderAcceptEncoding), "gzip") {
		c.Set(fiber.HeaderContentEncoding, "gzip")
		return c.Send(s.packed)
	}
	return c.Send(s.plain)
}
