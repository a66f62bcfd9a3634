-- +goose Up
-- Who is not here on a day. Only the newest day of a class is kept.
create table away (
    class_id   uuid not null references class on delete cascade,
    learner_id uuid not null references learner on delete cascade,
    day        date not null,
    primary key (class_id, learner_id)
);
create index away_learner on away (learner_id);

-- +goose Down
drop table away;
