-- What can be undone or redone, and what new work makes unreachable, is found by state.
create index edit_state on edit (shot_id, state);
