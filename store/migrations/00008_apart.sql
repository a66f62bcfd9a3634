-- +goose Up
-- Two children of a class who are not to sit together, each pair once.
create table apart (
    class_id uuid not null references class on delete cascade,
    one      uuid not null references learner on delete cascade,
    other    uuid not null references learner on delete cascade,
    primary key (class_id, one, other),
    check (one < other)
);
create index apart_one on apart (one);
create index apart_other on apart (other);

-- +goose Down
drop table apart;
