-- +goose Up
-- A record keeps, beside its task, the stage for which the task was chosen; what
-- it counts for is worked out from both. Until now a recorded task was always
-- classified, also where a lesson had chosen it for a stage.
alter table observation rename column problem to task;
update observation set stage = lesson.stage from lesson where lesson.id = lesson_id;

-- A lesson holds tasks of any kinds, each with the stage for which it was chosen.
alter table lesson rename column problems to tasks;
alter table lesson rename column problem to nth;
update lesson set tasks = (
    select coalesce(jsonb_agg(jsonb_build_object('task', p.value, 'stage', lesson.stage) order by p.ordinality), '[]')
    from jsonb_array_elements(tasks) with ordinality as p
);
alter table lesson drop column stage;

-- The weeks in which a class recorded something, counted from the week of
-- Thursday 1 January 1970: a stage is checked again after so many of them.
create table school_week (
    class_id uuid not null references class on delete cascade,
    week     integer not null,
    primary key (class_id, week)
);
insert into school_week select distinct class_id, floor((day - date '1970-01-01' + 3) / 7.0)::integer from observation;

-- By which version of the rule all standings are judged, and which stages there
-- were then.
create table judged (
    one    boolean primary key default true check (one),
    rule   integer not null,
    stages jsonb not null
);
insert into judged (rule, stages) values (1, '["joining/first-snake", "joining/second-snake", "joining/no-swap", "joining/one-swap-ones",
    "joining/one-swap-higher", "joining/several-swaps", "joining/swap-makes-swap", "joining/new-place", "joining/three-addends", "joining/any-sum",
    "taking/no-swap", "taking/one-swap-tens", "taking/one-swap-higher", "taking/several-swaps", "taking/across-one-zero", "taking/across-zeros",
    "taking/any-difference"]');

-- What stays of a learner's standing when a stage arrives: an arriving stage that
-- counts as met for good, and a stage that stays open though an arriving one now
-- comes before it.
create table arrival (
    learner_id uuid not null references learner on delete cascade,
    stage      text not null,
    grants     text not null check (grants in ('met', 'open')),
    primary key (learner_id, stage, grants)
);

-- +goose Down
drop table arrival, judged, school_week;
alter table lesson add column stage text not null default '';
update lesson set stage = coalesce(tasks->0->>'stage', '');
alter table lesson alter column stage drop default;
update lesson set tasks = (select coalesce(jsonb_agg(t.value->'task' order by t.ordinality), '[]') from jsonb_array_elements(tasks) with ordinality as t);
alter table lesson rename column nth to problem;
alter table lesson rename column tasks to problems;
alter table observation rename column task to problem;
