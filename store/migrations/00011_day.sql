-- +goose Up
-- How many minutes a day has for lessons, 0 where nobody said, and how many adults help.
alter table class add column minutes integer not null default 0 check (minutes between 0 and 600);
alter table class add column helpers integer not null default 0 check (helpers between 0 and 9);

-- A lesson that was suggested to some children and put off, until it is held.
create table put_off (
    id       uuid primary key,
    class_id uuid not null references class on delete cascade,
    stage    text not null,
    manner   text not null,
    leaving  boolean not null,
    day      date not null,
    why      text not null
);
create index put_off_class on put_off (class_id);
create table put_off_child (
    put_off_id uuid not null references put_off on delete cascade,
    learner_id uuid not null references learner on delete cascade,
    primary key (put_off_id, learner_id)
);
create index put_off_learner on put_off_child (learner_id);

-- +goose Down
drop table put_off_child, put_off;
alter table class drop column minutes, drop column helpers;
