-- +goose Up
-- What a learner can do by the word of an adult, told when it was added; empty for
-- nothing. What the next stage builds on counts as met by it.
alter table learner add column told text not null default '';

-- A lesson that lay open can be put away: nobody looks for it any more, and nothing of
-- it is to be written up.
alter table lesson drop constraint lesson_stand_check;
alter table lesson add constraint lesson_stand_check check (stand in ('gathering', 'mat', 'ended', 'away'));
drop index lesson_open;
create index lesson_open on lesson (class_id, changed_at) where stand in ('gathering', 'mat');

-- +goose Down
drop index lesson_open;
update lesson set stand = 'ended' where stand = 'away';
alter table lesson drop constraint lesson_stand_check;
alter table lesson add constraint lesson_stand_check check (stand in ('gathering', 'mat', 'ended'));
create index lesson_open on lesson (class_id, changed_at) where stand <> 'ended';
alter table learner drop column told;
