-- +goose Up
-- How many seconds a child took to count a handful, each time anew.
create table timed_count (
    id         uuid primary key,
    lesson_id  uuid not null references lesson on delete cascade,
    nth        integer not null check (nth >= 0),
    learner_id uuid not null references learner on delete cascade,
    seconds    integer not null check (seconds between 1 and 3600),
    counted_by uuid not null references account,
    counted_at timestamptz not null default now()
);
create index timed_count_lesson on timed_count (lesson_id);
create index timed_count_learner on timed_count (learner_id);

-- +goose Down
drop table timed_count;
