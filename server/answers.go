package server

import (
	"crypto/sha256"
	"encoding/hex"
	"encoding/json"
	"fmt"
	"io"
	"os"
	"slices"
	"sync"

	"github.com/gofiber/fiber/v3"
	"github.com/google/uuid"
	lru "github.com/hashicorp/golang-lru/v2"

	"vineswap/core/book"
	"vineswap/core/group"
	"vineswap/core/ladder"
	"vineswap/store"
	"vineswap/wire"
)

// answers are what was worked out lately of classes, and is still true: each is found
// by a hash of all that it was worked out from, which the database tells with every
// request. Any server may forget any of it.
type answers struct {
	bodies  *lru.Cache[string, []byte]
	classes *lru.Cache[uuid.UUID, seenClass]
}

// How much is remembered: a body of a class of thirty has about 200 KB.
const (
	mostBodies  = 128
	mostClasses = 64
)

func newAnswers() *answers {
	bodies, errBodies := lru.New[string, []byte](mostBodies)
	classes, errClasses := lru.New[uuid.UUID, seenClass](mostClasses)
	if errBodies != nil || errClasses != nil {
		panic("a cache without a size") // the sizes are ours
	}
	return &answers{bodies, classes}
}

// program tells one build of the server from another: what a class looks like may
// change with it.
var program = sync.OnceValue(func() string {
	path, err := os.Executable()
	if err != nil {
		return ""
	}
	file, err := os.Open(path)
	if err != nil {
		return ""
	}
	defer file.Close()
	sum := sha256.New()
	_, _ = io.Copy(sum, file)
	return hex.EncodeToString(sum.Sum(nil))
})

// seenClass is a class as it stands on a day.
type seenClass struct {
	version  string // a hash of all that it rests on
	children []group.Child
	apart    []group.Pair // who of them are not to sit together
	// What Today suggests, and what a child's page says of all of them, worked out when it
	// is asked for first.
	morning *morning
	others  func() []wire.Other
}

// morning is the lessons that suggest themselves to a class, worked out when they are asked
// for first and kept as long as the same lessons are put off and as many adults help. A pair that is not to sit
// together changes both children, so that the class is seen anew.
type morning struct {
	once    sync.Mutex
	off     []group.PutOff // when they were worked out last
	helpers int
	made    []suggested // nil for not yet
}

func (m *morning) with(off []group.PutOff, helpers int, work func() ([]suggested, error)) ([]suggested, error) {
	m.once.Lock()
	defer m.once.Unlock()
	same := func(a, b group.PutOff) bool {
		return a.Kind == b.Kind && a.On == b.On && a.Why == b.Why && slices.Equal(a.Children, b.Children)
	}
	if m.made != nil && m.helpers == helpers && slices.EqualFunc(m.off, off, same) {
		return m.made, nil
	}
	made, err := work()
	if err == nil {
		m.off, m.helpers, m.made = off, helpers, made
	}
	return made, err
}

// child finds one of them.
func (s seenClass) child(id string) (ladder.Child, bool) {
	i := slices.IndexFunc(s.children, func(c group.Child) bool { return c.ID == id })
	if i < 0 {
		return ladder.Child{}, false
	}
	return s.children[i].Child, true
}

// children reads who is in the class and how each stands on a day.
func (s *Server) children(c *call, today book.Day) (seenClass, error) {
	list, err := s.store.Standings(c.Context(), c.class, today)
	if err != nil {
		return seenClass{}, err
	}
	version := versionOf(c.class, list, today)
	if known, ok := s.answers.classes.Get(c.class.ID); ok && known.version == version {
		return known, nil
	}
	all := make([]group.Child, len(list))
	var apart []group.Pair
	for i, l := range list {
		all[i] = group.Child{ID: l.ID.String(), Name: l.Name, Child: l.Child.On(today), Away: l.Away}
		for _, other := range l.Apart {
			apart = append(apart, group.Pair{l.ID.String(), other.String()})
		}
	}
	now := seenClass{version, all, apart, &morning{}, sync.OnceValue(func() []wire.Other { return wire.OthersOf(all, today) })}
	s.answers.classes.Add(c.class.ID, now)
	return now, nil
}

// versionOf is a hash of all that says how a class stands on a day.
func versionOf(class store.Class, list []store.Standing, today book.Day) string {
	sum := sha256.New()
	fmt.Fprintln(sum, program(), class.ID, class.Name, class.Revision, class.Weeks, int(today))
	for _, l := range list {
		fmt.Fprintf(sum, "%s %d %q %t\n", l.ID, l.Revision, l.Name, l.Away)
	}
	return hex.EncodeToString(sum.Sum(nil)[:16])
}

// lasting answers what depends on a version and on what was asked, and on nothing
// else: whoever has it already hears that it is still true.
func (s *Server) lasting(c *call, version, asked string, work func() (any, error)) error {
	sum := sha256.Sum256([]byte(version + "\n" + asked))
	key := hex.EncodeToString(sum[:16])
	tag := `"` + key + `"`
	body, known := s.answers.bodies.Get(key)
	if c.Get(fiber.HeaderIfNoneMatch) != tag && !known {
		made, err := work()
		if err != nil {
			return err
		}
		if body, err = json.Marshal(made); err != nil {
			return err
		}
		s.answers.bodies.Add(key, body)
	}
	c.Set(fiber.HeaderCacheControl, "private, no-cache")
	c.Set(fiber.HeaderETag, tag)
	if c.Get(fiber.HeaderIfNoneMatch) == tag {
		return c.SendStatus(fiber.StatusNotModified)
	}
	c.Set(fiber.HeaderContentType, fiber.MIMEApplicationJSONCharsetUTF8)
	return c.Send(body)
}
