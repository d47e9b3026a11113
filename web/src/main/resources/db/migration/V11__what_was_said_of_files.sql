-- what was said of a file that came in: axes, unit, size, rate, first frame and keys by name, as JSON
alter table handoff add column said longtext;
