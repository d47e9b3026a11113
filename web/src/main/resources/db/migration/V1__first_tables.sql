create table account (
  id bigint not null auto_increment primary key,
  name varchar(60) not null,
  shown_name varchar(80) not null,
  password_hash varchar(120) not null,
  created_at datetime(3) not null,
  constraint account_name unique (name)
);

create table production (
  id bigint not null auto_increment primary key,
  name varchar(120) not null,
  created_at datetime(3) not null
);

create table membership (
  account_id bigint not null,
  production_id bigint not null,
  role varchar(20) not null,
  primary key (account_id, production_id),
  constraint membership_account foreign key (account_id) references account (id),
  constraint membership_production foreign key (production_id) references production (id)
);

create table shot (
  id bigint not null auto_increment primary key,
  production_id bigint not null,
  name varchar(120) not null,
  revision bigint not null,
  created_at datetime(3) not null,
  changed_at datetime(3) not null,
  deleted_at datetime(3),
  constraint shot_production foreign key (production_id) references production (id)
);

create table shot_revision (
  shot_id bigint not null,
  revision bigint not null,
  document longtext not null,
  sha256 char(64) not null,
  created_at datetime(3) not null,
  primary key (shot_id, revision),
  constraint shot_revision_shot foreign key (shot_id) references shot (id)
);

-- kind: edit, undo, redo. state: done, undone, or dropped once new work makes it unreachable.
create table edit (
  id bigint not null auto_increment primary key,
  shot_id bigint not null,
  revision bigint not null,
  kind varchar(10) not null,
  state varchar(10) not null,
  summary varchar(200) not null,
  edits longtext not null,
  inverse longtext not null,
  touches longtext not null,
  author_id bigint not null,
  created_at datetime(3) not null,
  constraint edit_revision unique (shot_id, revision),
  constraint edit_shot foreign key (shot_id) references shot (id),
  constraint edit_author foreign key (author_id) references account (id)
);

create table version (
  id bigint not null auto_increment primary key,
  shot_id bigint not null,
  revision bigint not null,
  name varchar(120) not null,
  created_at datetime(3) not null,
  constraint version_shot foreign key (shot_id) references shot (id)
);

create table asset (
  sha256 char(64) not null primary key,
  content longblob not null,
  created_at datetime(3) not null
);

-- which productions may read an asset
create table asset_use (
  production_id bigint not null,
  sha256 char(64) not null,
  primary key (production_id, sha256),
  constraint asset_use_production foreign key (production_id) references production (id),
  constraint asset_use_asset foreign key (sha256) references asset (sha256)
);

create table handoff (
  id bigint not null auto_increment primary key,
  shot_id bigint not null,
  revision bigint not null,
  direction varchar(10) not null,
  format varchar(20) not null,
  file_name varchar(200) not null,
  notes longtext not null,
  author_id bigint not null,
  created_at datetime(3) not null,
  constraint handoff_shot foreign key (shot_id) references shot (id),
  constraint handoff_author foreign key (author_id) references account (id)
);

create table job (
  id bigint not null auto_increment primary key,
  production_id bigint not null,
  kind varchar(40) not null,
  state varchar(20) not null,
  detail longtext not null,
  created_at datetime(3) not null,
  constraint job_production foreign key (production_id) references production (id)
);
