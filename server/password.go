package server

import (
	"context"
	"crypto/rand"
	"crypto/subtle"
	"encoding/base64"
	"errors"
	"fmt"
	"strings"

	"golang.org/x/crypto/argon2"
)

// Cost of argon2id, from the OWASP password storage guidance: 19 MiB, two
// passes, one lane.
const (
	memoryKiB = 19 * 1024
	passes    = 2
	lanes     = 1
	saltBytes = 16
	keyBytes  = 32
)

// FewestSigns is the length that a password has at least.
const FewestSigns = 10

// ErrShortPassword is returned for a password that is too short.
var ErrShortPassword = fmt.Errorf("a password has at least %d characters", FewestSigns)

// atOnce bounds how many passwords are worked at the same time, and so the
// memory that log-ins can take.
var atOnce = make(chan struct{}, 4)

// derive works a password. It waits for its turn as long as the context lasts.
func derive(ctx context.Context, password string, salt []byte, memory, time uint32, threads uint8) ([]byte, error) {
	select {
	case atOnce <- struct{}{}:
	case <-ctx.Done():
		return nil, ctx.Err()
	}
	defer func() { <-atOnce }()
	return argon2.IDKey([]byte(password), salt, time, memory, threads, keyBytes), nil
}

// HashPassword returns the argon2id hash of a password in PHC form, with a
// fresh salt.
func HashPassword(password string) (string, error) {
	if len([]rune(password)) < FewestSigns {
		return "", ErrShortPassword
	}
	salt := make([]byte, saltBytes)
	rand.Read(salt)
	key, err := derive(context.Background(), password, salt, memoryKiB, passes, lanes)
	if err != nil {
		return "", err
	}
	b64 := base64.RawStdEncoding
	return fmt.Sprintf("$argon2id$v=%d$m=%d,t=%d,p=%d$%s$%s", argon2.Version, memoryKiB, passes, lanes, b64.EncodeToString(salt), b64.EncodeToString(key)), nil
}

var errHash = errors.New("this is not an argon2id hash")

// samePassword tells whether the password has this hash. An error means that
// the hash cannot be read.
func samePassword(ctx context.Context, hash, password string) (bool, error) {
	parts := strings.Split(hash, "$")
	if len(parts) != 6 || parts[1] != "argon2id" {
		return false, errHash
	}
	var version, threads int
	var memory, time uint32
	if _, err := fmt.Sscanf(parts[2], "v=%d", &version); err != nil || version != argon2.Version {
		return false, errHash
	}
	if _, err := fmt.Sscanf(parts[3], "m=%d,t=%d,p=%d", &memory, &time, &threads); err != nil || time == 0 || threads < 1 || threads > 255 {
		return false, errHash
	}
	salt, errSalt := base64.RawStdEncoding.DecodeString(parts[4])
	want, errKey := base64.RawStdEncoding.DecodeString(parts[5])
	if err := errors.Join(errSalt, errKey); err != nil {
		return false, fmt.Errorf("%w: %w", errHash, err)
	}
	got, err := derive(ctx, password, salt, memory, time, uint8(threads))
	if err != nil {
		return false, err
	}
	return subtle.ConstantTimeCompare(got, want) == 1, nil
}
