-- +goose Up
-- Sheets that were printed: what was asked for, the class's settings of that day, and the tasks,
-- so that the same code gives the same sheet.
create table sheet (
    id       uuid primary key,
    class_id uuid not null references class on delete cascade,
    code     text not null,
    spec     jsonb not null,
    settings jsonb not null,
    tasks    jsonb not null, -- that all children have; none where each has its own
    day      date not null,
    made_by  uuid not null references account,
    made_at  timestamptz not null default now(),
    unique (class_id, code)
);
create index sheet_made on sheet (class_id, made_at);
create table sheet_child (
    sheet_id   uuid not null references sheet on delete cascade,
    learner_id uuid not null references learner on delete cascade,
    nth        integer not null,          -- in which order they were printed
    tasks      jsonb,                     -- its own; null where all have the same
    missing    boolean not null default false, -- it was not handed in
    primary key (sheet_id, learner_id)
);
create index sheet_child_learner on sheet_child (learner_id);

-- A record of a task on a sheet, with its place there.
alter table observation add column sheet_id uuid references sheet on delete set null;
alter table observation add column paper boolean not null default false; -- worked on a sheet, with no adult beside the child
create index observation_sheet on observation (sheet_id, nth, learner_id) where sheet_id is not null;

-- Most records are corrected by none, and those of sheets belong to no lesson.
drop index observation_lesson;
create index observation_lesson on observation (lesson_id, nth) where lesson_id is not null;
alter table observation drop constraint observation_replaces_key;
create unique index observation_replaces_key on observation (replaces) where replaces is not null;

-- A minute of facts: how many were tried and right. A later row of the same child, facts and
-- day is another run; a correction names the row that it replaces.
create table minute (
    id         uuid primary key,
    class_id   uuid not null references class on delete cascade,
    learner_id uuid not null references learner on delete cascade,
    sheet_id   uuid references sheet on delete set null,
    facts      text not null,
    seconds    integer not null check (seconds between 10 and 600),
    tried      integer not null check (tried between 0 and 200),
    rights     integer not null check (rights between 0 and tried),
    day        date not null,
    replaces   uuid unique references minute on delete cascade,
    kept_by    uuid not null references account,
    kept_at    timestamptz not null default now(),
    seq        bigint not null unique default nextval('event_order')
);
create index minute_learner on minute (learner_id);
create index minute_class on minute (class_id, day);

-- A file of answers that is being read in. It lies here in parts until it is taken over or
-- given up; one for each account in a class.
create table import (
    id         uuid primary key,
    class_id   uuid not null references class on delete cascade,
    account_id uuid not null references account on delete cascade,
    bytes      integer not null,
    made_at    timestamptz not null default now(),
    unique (class_id, account_id)
);
create table import_part (
    import_id uuid not null references import on delete cascade,
    nth       integer not null,
    data      bytea not null,
    primary key (import_id, nth)
);

-- +goose Down
drop table import_part, import, minute;
drop index observation_lesson, observation_replaces_key;
create index observation_lesson on observation (lesson_id, nth);
alter table observation add constraint observation_replaces_key unique (replaces);
alter table observation drop column sheet_id, drop column paper;
drop table sheet_child, sheet;
