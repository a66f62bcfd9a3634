-- +goose Up
create table account (
    id         uuid primary key,
    email      text not null unique check (email = lower(email)),
    name       text not null,
    password   text not null,
    created_at timestamptz not null default now()
);

create table class (
    id         uuid primary key,
    name       text not null,
    zone       text not null,
    settings   jsonb not null default '{}',
    revision   integer not null default 1,
    created_at timestamptz not null default now()
);

create table membership (
    account_id uuid not null references account on delete cascade,
    class_id   uuid not null references class on delete cascade,
    role       text not null check (role in ('lead', 'assistant', 'viewer')),
    primary key (account_id, class_id)
);

create table learner (
    id         uuid primary key,
    created_at timestamptz not null default now()
);

-- A learner belongs to a class for a time, under the name used there.
create table enrolment (
    class_id   uuid not null references class on delete cascade,
    learner_id uuid not null references learner on delete cascade,
    name       text not null check (name <> ''),
    since      date not null,
    until      date,
    primary key (class_id, learner_id, since)
);
create unique index enrolment_name on enrolment (class_id, lower(name)) where until is null;

create table lesson (
    id         uuid primary key,
    class_id   uuid not null references class on delete cascade,
    opened_by  uuid not null references account,
    problems   jsonb not null,
    problem    integer not null default 0,
    stage      text not null,
    material   text not null,
    stand      text not null check (stand in ('gathering', 'mat', 'ended')),
    position   text not null,
    revision   integer not null default 1,
    opened_at  timestamptz not null default now(),
    changed_at timestamptz not null default now()
);
create index lesson_open on lesson (class_id, changed_at) where stand <> 'ended';

create table lesson_child (
    lesson_id  uuid not null references lesson on delete cascade,
    seat       integer not null,
    learner_id uuid not null references learner on delete cascade,
    primary key (lesson_id, seat)
);

-- The one lesson that an account has in hand in a class.
create table in_hand (
    account_id uuid not null references account on delete cascade,
    class_id   uuid not null references class on delete cascade,
    lesson_id  uuid not null references lesson on delete cascade,
    primary key (account_id, class_id)
);

create table session (
    key        text primary key,
    data       bytea not null,
    expires_at timestamptz not null
);
create index session_expiry on session (expires_at);

-- +goose Down
drop table session, in_hand, lesson_child, lesson, enrolment, learner, membership, class, account;
