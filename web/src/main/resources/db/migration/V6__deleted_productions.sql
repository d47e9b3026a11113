-- A production that was deleted can be put back, with all its shots as they were.
alter table production add column deleted_at datetime(3);
