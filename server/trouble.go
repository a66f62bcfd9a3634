package server

import (
	"encoding/json"
	"errors"
	"log/slog"
	"strings"

	"github.com/go-playground/validator/v10"
	"github.com/gofiber/fiber/v3"

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
	default:
		slog.Error("request failed", "method", c.Method(), "path", c.Path(), "error", err)
		t = refuse(fiber.StatusInternalServerError, "Something went wrong here", "Try again. What you typed is kept.")
	}
	body, err := json.Marshal(t.Trouble)
	if err != nil {
		return err
	}
	c.Set(fiber.HeaderContentType, "application/problem+json")
	return c.Status(t.Status).Send(body)
}

// ofStatus words what the framework itself refuses.
func ofStatus(code int) *trouble {
	switch code {
	case fiber.StatusRequestEntityTooLarge:
		return refuse(code, "This is too much at once", "Send less than a megabyte.")
	case fiber.StatusNotFound, fiber.StatusMethodNotAllowed:
		return notFound()
	}
	return refuse(code, "This request cannot be answered", "Reload the page and try again.")
}

var validate = validator.New(validator.WithRequiredStructEnabled())

// read decodes a JSON body and checks its fields. The error names the field.
func read(c fiber.Ctx, into any) error {
	if err := json.Unmarshal(c.Body(), into); err != nil {
		t := refuse(fiber.StatusBadRequest, "What was sent cannot be read", "Reload the page and try again.").because(err)
		var wrong *json.UnmarshalTypeError
		if errors.As(err, &wrong) {
			t = t.of(wrong.Field)
		}
		return t
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
