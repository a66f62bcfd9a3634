package server

import (
	"context"
	"crypto/rand"
	"errors"
	"fmt"
	"strings"

	"github.com/gofiber/fiber/v3"
	"github.com/google/uuid"

	"vineswap/core/lesson"
	"vineswap/core/say"
	"vineswap/store"
	"vineswap/wire"
)

// A code is typed by hand at the projector: letters and figures that are not taken for one
// another, so many that nobody guesses one.
const (
	codeSigns  = "abcdefghjkmnpqrstuvwxyz23456789"
	codeLength = 8
)

// Wrong codes that are let through within triesWithin, of an address and of the server.
const (
	codesOfAddress = 30
	codesOfServer  = 300
)

func newCode() string {
	code := make([]byte, 0, codeLength)
	for len(code) < codeLength {
		var one [1]byte
		rand.Read(one[:])
		if int(one[0]) < 256/len(codeSigns)*len(codeSigns) { // each as likely
			code = append(code, codeSigns[int(one[0])%len(codeSigns)])
		}
	}
	return string(code)
}

// projectorCode answers the code of the caller's window, another one where that is asked for.
func (s *Server) projectorCode(c *call) error {
	var ask wire.RenewCode
	if err := read(c, &ask); err != nil {
		return err
	}
	code, err := s.store.ProjectorCode(c.Context(), c.account.ID, c.class.ID)
	if err != nil && !errors.Is(err, store.ErrNone) {
		return err
	}
	if code == "" || ask.Renew {
		code = newCode()
		if err := s.store.SetProjectorCode(c.Context(), store.Projector{AccountID: c.account.ID, ClassID: c.class.ID, Code: code, Pass: newSecret()}); err != nil {
			return err
		}
	}
	return c.JSON(wire.ProjectorCode{Code: code})
}

func noProjector() *trouble {
	return refuse(fiber.StatusNotFound, "This code opens nothing", "Type it as the teacher’s screen shows it. It may have been renewed.").of("code")
}

// window finds the window that a code opens, or the pass of one that was opened. A wrong code
// is counted, and of too many from one place none is looked at for a while; whatever can be no
// code costs nothing.
func (s *Server) window(c fiber.Ctx) (store.Projector, error) {
	word := strings.Clone(c.Params("code"))
	if len(word) == secretLength {
		p, err := s.store.Projector(c.Context(), word)
		if errors.Is(err, store.ErrNone) {
			err = noProjector()
		}
		return p, err
	}
	word = strings.ToLower(word)
	if len(word) != codeLength || strings.Trim(word, codeSigns) != "" {
		return store.Projector{}, noProjector()
	}
	keys, most := []string{keyOf("code from " + s.sender(c)), keyOf("codes")}, []int{codesOfAddress, codesOfServer}
	full, err := s.store.Full(c.Context(), keys, most)
	if err != nil {
		return store.Projector{}, err
	}
	if full {
		c.Set(fiber.HeaderRetryAfter, "300")
		return store.Projector{}, refuse(fiber.StatusTooManyRequests, "Too many wrong codes", "Wait five minutes, then try again.").of("code")
	}
	p, err := s.store.Projector(c.Context(), word)
	if !errors.Is(err, store.ErrNone) {
		return p, err
	}
	if _, err := s.store.Try(c.Context(), keys, most, triesWithin); err != nil {
		return p, err
	}
	return p, noProjector()
}

// projector answers what the class sees. Nothing in it is about a child: the lesson is read
// without its children.
func (s *Server) projector(c fiber.Ctx) error {
	p, err := s.window(c)
	if err != nil {
		return err
	}
	class, err := s.store.Class(c.Context(), p.ClassID)
	if err != nil {
		return missing(err)
	}
	out := wire.Projector{Pass: p.Pass, Words: wire.WordsOf(class.Settings.Words()), Palette: wire.PaletteOf(class.Settings.Words(), class.Settings.Colours)}
	if out.Moment, err = s.moment(c.Context(), follows{p.ClassID, p.AccountID}); err != nil {
		return err
	}
	if id, err := uuid.Parse(out.Moment.Lesson); err == nil && out.Moment.Stand == string(lesson.OnTheMat) {
		if err := s.showLesson(c.Context(), class, id, &out); err != nil {
			return err
		}
	}
	return c.JSON(out)
}

// showLesson puts a lesson into the window.
func (s *Server) showLesson(ctx context.Context, class store.Class, id uuid.UUID, out *wire.Projector) error {
	kept, err := s.store.Lesson(ctx, class.ID, id)
	if err != nil {
		return missing(err)
	}
	kept.Children, kept.Seated = nil, nil
	view, err := kept.Open(class.Settings.Words(), class.Settings.Method())
	if err != nil {
		return err
	}
	link, err := wire.LinkOf(class.Settings, kept.ID.String(), kept.Lesson, view, nil, "")
	if err != nil {
		return err
	}
	made := wire.RoundOf(class.Settings, kept.Lesson, wire.LessonOf(class.Settings, link, kept.Revision, view, nil))
	out.Lesson = &made
	out.Progress = wire.Named{ID: fmt.Sprint(len(kept.Items)), Name: say.Progress(kept.Nth, len(kept.Items))}
	// The moment and the lesson were read one after the other: what is shown is the lesson's.
	out.Moment.Revision, out.Moment.Nth, out.Moment.At = kept.Revision, kept.Nth, kept.At.String()
	out.Moment.Pace, out.Moment.Shown = string(kept.Round.Pace), kept.Round.Shown
	return nil
}

// projectorEvents streams where the lesson stands to the class's window, until its code is
// renewed.
func (s *Server) projectorEvents(c fiber.Ctx) error {
	p, err := s.window(c)
	if err != nil {
		return err
	}
	pass := p.Pass
	return s.stream(c, follows{p.ClassID, p.AccountID}, func(ctx context.Context) bool {
		_, err := s.store.Projector(ctx, pass)
		return errors.Is(err, store.ErrNone)
	})
}
