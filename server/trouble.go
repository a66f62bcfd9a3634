package server

import (
	"encoding/json"
	"errors"
	"fmt"
	"log/slog"
	"math"
	"reflect"
	"strings"
	"unicode"

	"github.com/go-playground/validator/v10"
	"github.com/gofiber/fiber/v3"

	"vineswap/store"
	"vineswap/wire"
)

// trouble is an error that is answered with a problem document.
type trouble struct{ wire.Trouble }

func (t *trouble) Error() string { return t.Title }

// refuse makes a trouble: status, what is wrong in short, and what to do.
func refuse(status int, title, remedy string) *trouble {
	return &trouble{wire.Trouble{Type: "about:blank", Title: title, Status: status, Remedy: remedy}}
}

// of names the field that caused it.
func (t *trouble) of(field string) *trouble {
	t.Field = field
	return t
}

// because adds what the rules said.
func (t *trouble) because(err error) *trouble {
	t.Detail = sentence(err.Error())
	return t
}

// sentence makes a sentence of an error's text.
func sentence(text string) string {
	if text == "" {
		return ""
	}
	return strings.ToUpper(text[:1]) + text[1:] + "."
}

func notFound() *trouble {
	return refuse(fiber.StatusNotFound, "There is nothing here", "Go back to Today.")
}

func wrongToken() *trouble {
	return refuse(fiber.StatusForbidden, "This page is too old to send anything", "Try again, or reload the page.").of("token")
}

func shortPassword() *trouble {
	return refuse(fiber.StatusUnprocessableEntity, "The password is too short", fmt.Sprintf("Use at least %d characters.", FewestSigns))
}

func loggedOut() *trouble {
	return refuse(fiber.StatusUnauthorized, "You are not logged in, or it was too long ago", "Log in again: you will come back to where you were.")
}

// answer writes an error as a problem document. What is nobody's fault but ours
// is logged and not told.
func answer(c fiber.Ctx, err error) error {
	var t *trouble
	var status *fiber.Error
	switch {
	case errors.As(err, &t):
	case errors.As(err, &status):
		t = ofStatus(status.Code)
	case store.Unavailable(err):
		slog.Warn("the database does not answer", "method", c.Method(), "route", c.Route().Path, "error", err)
		c.Set(fiber.HeaderRetryAfter, retrySeconds)
		t = refuse(fiber.StatusServiceUnavailable, "The database does not answer just now", "Wait a little, then try again: what you typed is still here.")
	default:
		slog.Error("request failed", "method", c.Method(), "route", c.Route().Path, "error", err)
		t = refuse(fiber.StatusInternalServerError, "Something went wrong here", "Try again. What you typed is kept.")
	}
	body, err := json.Marshal(t.Trouble)
	if err != nil {
		return err
	}
	c.Set(fiber.HeaderContentType, "application/problem+json")
	c.Set(fiber.HeaderCacheControl, "no-store")
	return c.Status(t.Status).Send(body)
}

// ofStatus words what the framework itself refuses.
func ofStatus(code int) *trouble {
	switch code {
	case fiber.StatusRequestEntityTooLarge:
		return refuse(code, "This is too much at once", "Send less than 128 kilobytes.")
	case fiber.StatusNotFound, fiber.StatusMethodNotAllowed:
		return notFound()
	}
	return refuse(code, "This request cannot be answered", "Reload the page and try again.")
}

var validate = validator.New(validator.WithRequiredStructEnabled())

// read decodes a JSON body and checks its fields. The error names the field. Who calls
// it knows who sends the body: its length and type are known before any handler.
func read(c fiber.Ctx, into any) error {
	c.Locals(wasRead, true)
	if err := json.Unmarshal(c.BodyRaw(), into); err != nil {
		t := refuse(fiber.StatusBadRequest, "What was sent cannot be read", "Reload the page and try again.").because(err)
		var wrong *json.UnmarshalTypeError
		if errors.As(err, &wrong) {
			t = t.of(wrong.Field)
		}
		return t
	}
	if field, wrong := unfit(reflect.ValueOf(into), ""); wrong != "" {
		return refuse(fiber.StatusUnprocessableEntity, wrong, "Type it again.").of(field)
	}
	var fields validator.ValidationErrors
	if err := validate.Struct(into); errors.As(err, &fields) {
		name := strings.ToLower(fields[0].Field())
		return refuse(fiber.StatusUnprocessableEntity, "Something is missing or too long: "+name, "Fill it in and try again.").of(name)
	} else if err != nil {
		return err
	}
	return nil
}

// unfit finds what no field can have: characters that cannot be seen or typed, and numbers
// that are larger than any that is kept. Whole lines may follow one another in a note.
func unfit(v reflect.Value, name string) (field, wrong string) {
	switch v.Kind() {
	case reflect.Pointer, reflect.Interface:
		if !v.IsNil() {
			return unfit(v.Elem(), name)
		}
	case reflect.Struct:
		for i := range v.NumField() {
			key, _, _ := strings.Cut(v.Type().Field(i).Tag.Get("json"), ",")
			if key == "" {
				key = name
			}
			if field, wrong := unfit(v.Field(i), key); wrong != "" {
				return field, wrong
			}
		}
	case reflect.Slice:
		for i := range v.Len() {
			if field, wrong := unfit(v.Index(i), name); wrong != "" {
				return field, wrong
			}
		}
	case reflect.Map:
		for _, key := range v.MapKeys() {
			if field, wrong := unfit(v.MapIndex(key), name); wrong != "" {
				return field, wrong
			}
		}
	case reflect.String:
		if strings.ContainsFunc(v.String(), func(r rune) bool {
			return unicode.IsControl(r) && r != '\n' && r != '\t' || r == unicode.ReplacementChar
		}) {
			return name, "There are characters in it that cannot be read"
		}
	case reflect.Int, reflect.Int64:
		if n := v.Int(); n > math.MaxInt32 || n < math.MinInt32 {
			return name, "The number is too large"
		}
	}
	return "", ""
}
