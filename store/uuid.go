package store

import (
	"context"

	"github.com/google/uuid"
	"github.com/jackc/pgx/v5"
	"github.com/jackc/pgx/v5/pgtype"
)

// Ids are handed to PostgreSQL as the sixteen bytes that they are: by themselves they
// would be written out as text, be refused as such, and be read again.
func ids(_ context.Context, conn *pgx.Conn) error {
	m := conn.TypeMap()
	m.TryWrapEncodePlanFuncs = append([]pgtype.TryWrapEncodePlanFunc{wrapID}, m.TryWrapEncodePlanFuncs...)
	return nil
}

// idValue is an id as the driver wants it.
type idValue uuid.NullUUID

func (v idValue) UUIDValue() (pgtype.UUID, error) {
	return pgtype.UUID{Bytes: v.UUID, Valid: v.Valid}, nil
}

func valueOf(id any) (idValue, bool) {
	switch id := id.(type) {
	case uuid.UUID:
		return idValue{UUID: id, Valid: true}, true
	case uuid.NullUUID:
		return idValue(id), true
	}
	return idValue{}, false
}

func wrapID(id any) (pgtype.WrappedEncodePlanNextSetter, any, bool) {
	v, ok := valueOf(id)
	return &idPlan{}, v, ok
}

// idPlan writes an id by the plan for its value.
type idPlan struct{ next pgtype.EncodePlan }

func (p *idPlan) SetNext(next pgtype.EncodePlan) { p.next = next }

func (p *idPlan) Encode(id any, buf []byte) ([]byte, error) {
	v, _ := valueOf(id)
	if !v.Valid {
		return nil, nil
	}
	return p.next.Encode(v, buf)
}
