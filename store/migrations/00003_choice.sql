-- +goose Up
-- Choices of numbers that a guide has named for the class. What is asked for is
-- kept as it was sent, with the version of its form.
create table kept_choice (
    id         uuid primary key,
    class_id   uuid not null references class on delete cascade,
    name       text not null check (btrim(name) <> ''),
    version    integer not null,
    choice     jsonb not null,
    kept_by    uuid not null references account,
    kept_at    timestamptz not null default now(),
    unique (class_id, name)
);

-- What was worked lately is looked for by day.
create index observation_day on observation (learner_id, day);
