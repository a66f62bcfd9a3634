-- +goose Up
-- A lesson for the whole class, and how far the class has come with the task in hand.
alter table lesson add column whole boolean not null default false;
alter table lesson add column round jsonb not null default '{}';

-- How the class sits: one plan for each class, from the front. A seat is a column and a row.
alter table class add column seated integer not null default 0; -- the plan's revision
create table class_seat (
    class_id   uuid not null references class on delete cascade,
    learner_id uuid not null references learner on delete cascade,
    x          smallint not null check (x between 0 and 11),
    y          smallint not null check (y between 0 and 11),
    primary key (class_id, learner_id),
    unique (class_id, x, y) deferrable initially deferred
);
create index class_seat_learner on class_seat (learner_id);

-- A round of slates: a task of a lesson that the whole class has answered. Each is kept once.
create table round (
    id        uuid primary key,
    class_id  uuid not null references class on delete cascade,
    lesson_id uuid not null references lesson on delete cascade,
    nth       integer not null,
    day       date not null,
    kept_by   uuid not null references account,
    kept_at   timestamptz not null default now(),
    unique (lesson_id, nth)
);
create index round_class on round (class_id, day);
create table slate (
    round_id   uuid not null references round on delete cascade,
    learner_id uuid not null references learner on delete cascade,
    mark       text not null,
    answer     text not null default '',
    primary key (round_id, learner_id)
);
create index slate_learner on slate (learner_id);
-- Who was proposed to explain, in their order, and whether the child did.
create table turn (
    round_id   uuid not null references round on delete cascade,
    learner_id uuid not null references learner on delete cascade,
    seq        bigint not null unique default nextval('event_order'),
    took       boolean not null,
    way        text not null default '',
    primary key (round_id, learner_id)
);
create index turn_learner on turn (learner_id);

-- The code that opens the projector's window of an account in a class.
create table projector (
    account_id uuid not null references account on delete cascade,
    class_id   uuid not null references class on delete cascade,
    code       text not null unique,
    pass       text not null unique, -- with which a window that was opened asks again
    made_at    timestamptz not null default now(),
    primary key (account_id, class_id)
);

-- Rows of openers, each kept under a name.
create table opener_row (
    id       uuid primary key,
    class_id uuid not null references class on delete cascade,
    name     text not null,
    openers  jsonb not null,
    revision integer not null default 1,
    made_by  uuid not null references account,
    made_at  timestamptz not null default now()
);
create index opener_row_class on opener_row (class_id);

-- A record that stood on a slate: the child was not with an adult by itself.
alter table observation add column whole boolean not null default false;

-- +goose Down
alter table observation drop column whole;
drop table opener_row, projector, turn, slate, round, class_seat;
alter table class drop column seated;
alter table lesson drop column round, drop column whole;
