-- +goose Up
-- What bears on a judgement happened in one order, observations and overrules
-- alike.
create sequence event_order;

-- Who did what. Rows are only ever added: a correction is a new row that points
-- at the one it replaces, and a withdrawn row counts for nothing.
create table observation (
    id          uuid primary key,
    class_id    uuid not null references class on delete cascade,
    learner_id  uuid not null references learner on delete cascade,
    lesson_id   uuid references lesson on delete set null,
    nth         integer not null default 0,
    problem     jsonb not null,
    stage       text not null,
    manner      text not null,
    material    text not null,
    help        text not null,
    way         text not null default '',
    answer      text not null,
    came        text not null check (came in ('typed', 'marked', 'default')),
    chosen      boolean not null default false,
    runs        integer not null default 1 check (runs > 0),
    note        text not null default '',
    day         date not null,
    withdrawn   boolean not null default false,
    replaces    uuid unique references observation on delete cascade,
    recorded_by uuid not null references account,
    recorded_at timestamptz not null default now(),
    seq         bigint not null unique default nextval('event_order')
);
create index observation_learner on observation (learner_id, seq);
create index observation_lesson on observation (lesson_id, nth);

create table overrule (
    id         uuid primary key,
    class_id   uuid not null references class on delete cascade,
    learner_id uuid not null references learner on delete cascade,
    stage      text not null,
    manner     text not null,
    state      text not null,
    reason     text not null check (btrim(reason) <> ''),
    day        date not null,
    judged_by  uuid not null references account,
    judged_at  timestamptz not null default now(),
    seq        bigint not null unique default nextval('event_order')
);
create index overrule_learner on overrule (learner_id, seq);

-- How a learner stands, folded from the two tables above and never written
-- otherwise.
create table standing (
    learner_id uuid not null references learner on delete cascade,
    stage      text not null,
    manner     text not null,
    state      text not null,
    standing   jsonb not null,
    primary key (learner_id, stage, manner)
);

-- An estimate is locked when it is said.
create table estimate (
    lesson_id  uuid not null references lesson on delete cascade,
    nth        integer not null,
    learner_id uuid not null references learner on delete cascade,
    value      integer not null check (value >= 0),
    said_to    uuid not null references account,
    said_at    timestamptz not null default now(),
    primary key (lesson_id, nth, learner_id)
);

-- An invitation is a link that works once; only what the link hashes to is kept.
create table invitation (
    key        text primary key,
    class_id   uuid not null references class on delete cascade,
    role       text not null check (role in ('assistant', 'viewer')),
    made_by    uuid not null references account,
    made_at    timestamptz not null default now(),
    expires_at timestamptz not null,
    used_by    uuid references account,
    used_at    timestamptz
);

-- Of erased learners the count alone is kept.
alter table class add column erased integer not null default 0;

-- +goose Down
alter table class drop column erased;
drop table invitation, estimate, standing, overrule, observation;
drop sequence event_order;
