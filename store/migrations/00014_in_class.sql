-- +goose Up
-- Who is or was in which class. A record is of a child in a class: one look tells that there is
-- such a child, in this class, instead of one for each.
create table class_learner (
    class_id   uuid not null references class on delete cascade,
    learner_id uuid not null references learner on delete cascade,
    primary key (class_id, learner_id)
);
insert into class_learner select class_id, learner_id from enrolment union select class_id, learner_id from observation;
create index class_learner_learner on class_learner (learner_id);
alter table enrolment drop constraint enrolment_class_id_fkey, drop constraint enrolment_learner_id_fkey,
    add foreign key (class_id, learner_id) references class_learner on delete cascade;
alter table observation drop constraint observation_class_id_fkey, drop constraint observation_learner_id_fkey,
    add foreign key (class_id, learner_id) references class_learner on delete cascade;

-- Who recorded is looked for once in all that is written at once, not for each record: a file of
-- answers has a hundred thousand by the same adult. Records are never changed, and an account
-- that made one is never deleted.
alter table observation drop constraint observation_recorded_by_fkey;
-- +goose StatementBegin
create function observation_by_account() returns trigger language plpgsql as $$
begin
    if exists (select from (select distinct recorded_by as id from added) adult where not exists (select from account where account.id = adult.id for key share)) then
        raise foreign_key_violation using message = 'a record by an account that there is not';
    end if;
    return null;
end $$;
create function account_has_recorded() returns trigger language plpgsql as $$
begin
    if exists (select from observation where recorded_by = old.id) then
        raise foreign_key_violation using message = 'an account that has recorded something stays';
    end if;
    return old;
end $$;
-- +goose StatementEnd
create trigger observation_by_account after insert on observation referencing new table as added for each statement execute function observation_by_account();
create trigger account_has_recorded before delete on account for each row execute function account_has_recorded();

-- +goose Down
drop trigger account_has_recorded on account;
drop trigger observation_by_account on observation;
drop function account_has_recorded, observation_by_account;
alter table observation add constraint observation_recorded_by_fkey foreign key (recorded_by) references account;
alter table observation drop constraint observation_class_id_learner_id_fkey,
    add constraint observation_class_id_fkey foreign key (class_id) references class on delete cascade,
    add constraint observation_learner_id_fkey foreign key (learner_id) references learner on delete cascade;
alter table enrolment drop constraint enrolment_class_id_learner_id_fkey,
    add constraint enrolment_class_id_fkey foreign key (class_id) references class on delete cascade,
    add constraint enrolment_learner_id_fkey foreign key (learner_id) references learner on delete cascade;
drop table class_learner;
