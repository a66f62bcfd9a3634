-- +goose Up
-- Who is logged in. Only what the cookie's secret hashes to is kept.
drop table session;
create table session (
    key        text primary key,
    account_id uuid not null references account on delete cascade,
    device     text not null default '', -- in words, such as "Firefox on Linux"
    begun_at   timestamptz not null default now(),
    seen_at    timestamptz not null default now(),
    expires_at timestamptz not null
);
create index session_account on session (account_id);
create index session_expiry on session (expires_at);

-- A device on which an account has logged in before: strangers who try passwords
-- elsewhere cannot lock it out.
create table known_device (
    key        text primary key,
    account_id uuid not null references account on delete cascade,
    seen_at    timestamptz not null default now()
);
create index known_device_account on known_device (account_id, seen_at);

-- Failed log-ins, by what a sender or an account hashes to.
create table login_try (
    key   text primary key,
    tries integer not null,
    until timestamptz not null
);
create index login_try_until on login_try (until);

-- Of a closed account the name alone stays, beside what it recorded.
alter table account add column closed_at timestamptz;

alter table invitation add column id uuid not null unique default gen_random_uuid();
create index invitation_class on invitation (class_id);

-- The weeks in which a class recorded something are a part of the class: they
-- change once a week and are read with every request.
alter table class add column weeks integer[] not null default '{}';
update class set weeks = coalesce((select array_agg(week order by week) from school_week where class_id = class.id), '{}');
drop table school_week;

-- How a learner stands is one row, from which judging goes on; the revision counts
-- what has changed of the learner. All are judged anew after this migration.
alter table learner add column revision integer not null default 0;
alter table learner add column records integer not null default 0; -- how many observations there are
update learner set records = (select count(*) from observation where learner_id = learner.id);
drop table standing;
create table standing (
    learner_id uuid primary key references learner on delete cascade,
    fold       bytea not null
);
update judged set rule = 0;

-- When it was seen, by the clock of the device on which it was written down.
alter table observation add column seen_at timestamptz;

-- A child at a task of a lesson: whether the task was worked, which the lesson
-- says, and whether something is written of it, which the records say.
create table spot (
    lesson_id  uuid not null references lesson on delete cascade,
    nth        integer not null,
    learner_id uuid not null references learner on delete cascade,
    class_id   uuid not null,
    worked     boolean not null default false,
    written    boolean not null default false,
    primary key (lesson_id, nth, learner_id)
);
insert into spot (lesson_id, nth, learner_id, class_id, worked)
select lesson.id, n, learner_id, class_id, true from lesson join lesson_child on lesson_id = lesson.id,
    generate_series(0, jsonb_array_length(tasks) - 1) as n
where stand = 'ended' or stand = 'mat' and n <> nth
on conflict do nothing;
insert into spot (lesson_id, nth, learner_id, class_id, written)
select distinct lesson_id, nth, learner_id, class_id, true from observation o
where lesson_id is not null and not (withdrawn and replaces is not null)
    and not exists (select 1 from observation later where later.replaces = o.id)
on conflict (lesson_id, nth, learner_id) do update set written = true;
create index spot_to_write on spot (class_id) where worked and not written;
create index spot_learner on spot (learner_id);

-- What is looked up by class, learner and lesson.
create index enrolment_learner on enrolment (learner_id);
create index membership_class on membership (class_id);
create index lesson_class on lesson (class_id, changed_at desc);
create index lesson_child_learner on lesson_child (learner_id);
create index in_hand_lesson on in_hand (lesson_id);
drop index observation_day;
drop index observation_learner; -- the one below does for both
create index observation_recent on observation (learner_id, day desc, seq desc);
create index estimate_learner on estimate (learner_id, said_at);

-- +goose Down
create index observation_day on observation (learner_id, day);
create index observation_learner on observation (learner_id, seq);
drop index estimate_learner, observation_recent, in_hand_lesson, lesson_child_learner, lesson_class, membership_class, enrolment_learner;
drop table spot;
alter table observation drop column seen_at;
drop table standing;
create table standing (
    learner_id uuid not null references learner on delete cascade,
    stage      text not null,
    manner     text not null,
    state      text not null,
    standing   jsonb not null,
    primary key (learner_id, stage, manner)
);
alter table learner drop column revision, drop column records;
create table school_week (
    class_id uuid not null references class on delete cascade,
    week     integer not null,
    primary key (class_id, week)
);
insert into school_week select id, unnest(weeks) from class;
alter table class drop column weeks;
drop index invitation_class;
alter table invitation drop column id;
alter table account drop column closed_at;
drop table login_try, known_device, session;
create table session (
    key        text primary key,
    data       bytea not null,
    expires_at timestamptz not null
);
create index session_expiry on session (expires_at);
