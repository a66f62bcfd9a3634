-- +goose Up
-- The places of a task that the child worked itself, where others worked the other ones:
-- "ones hundreds"; empty for the whole.
alter table observation add column part text not null default '';

-- +goose Down
alter table observation drop column part;
