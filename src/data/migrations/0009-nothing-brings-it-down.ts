import type { Sequelize } from "sequelize";

/*
 * Raw SQL: a migration describes tables as they were and as they become, whatever the models say today.
 *
 * What the shelf and the pages read of a book stands in one row; long-lived processes and chores show that they are alive; the database holds what
 * forms forbid. Bills that no form would take any more are laid aside, whole: a bill till the year 9999 stopped the Money chapter. Bills that overlap since
 * two windows saved at once stay, marked, until somebody saves the bills again.
 */
const UP = `
create extension if not exists btree_gist;
create table standings (
  book_id uuid primary key references books on delete cascade,
  version integer not null,
  edition integer not null,
  state text not null check (state in ('fine', 'set-aside')),
  reason text check (reason in ('time', 'memory', 'fault', 'document')),
  figures jsonb check (figures is null or jsonb_typeof(figures) = 'object'),
  made_at timestamptz not null default now(),
  check ((state = 'fine') = (figures is not null)),
  check ((state = 'set-aside') = (reason is not null))
);
create table vital_signs (
  name text primary key check (char_length(name) between 1 and 60),
  seen_at timestamptz not null default now(),
  facts jsonb not null default '{}' check (jsonb_typeof(facts) = 'object')
);
alter table books add column client_id uuid unique, add column bills_version integer not null default 0;
create table bills_laid_aside (like bills, laid_aside_at timestamptz not null default now());
insert into bills_laid_aside
  select bills.*, now() from bills where to_day - from_day >= 400 or from_day < '1990-01-01' or to_day > '2060-12-31';
delete from bills where to_day - from_day >= 400 or from_day < '1990-01-01' or to_day > '2060-12-31';
alter table bills add column overlap_known boolean not null default false;
update bills b set overlap_known = true where exists (
  select 1 from bills o where o.book_id = b.book_id and o.from_day <> b.from_day and daterange(o.from_day, o.to_day, '[]') && daterange(b.from_day, b.to_day, '[]'));
alter table bills
  add constraint bills_do_not_overlap exclude using gist (book_id with =, daterange(from_day, to_day, '[]') with &&) where (not overlap_known),
  add constraint bills_are_short check (to_day - from_day < 400),
  add constraint bills_lie_in_our_time check (from_day >= '1990-01-01' and to_day <= '2060-12-31');
alter table feeds add column version integer not null default 1;
create unique index feeds_by_name on feeds (book_id, (settings->>'name'));
alter table variants add column version integer not null default 1;
`;

const DOWN = `
alter table variants drop column version;
drop index feeds_by_name;
alter table feeds drop column version;
alter table bills drop constraint bills_do_not_overlap, drop constraint bills_are_short, drop constraint bills_lie_in_our_time;
alter table bills drop column overlap_known;
insert into bills select book_id, from_day, to_day, usage_kwh, import_kwh, import_by_band_kwh, export_kwh, production_kwh, amount from bills_laid_aside;
drop table bills_laid_aside;
alter table books drop column client_id, drop column bills_version;
drop table vital_signs; drop table standings;
`;

export const nothingBringsItDown = {
  name: "0009-nothing-brings-it-down",
  up: async ({ context }: { context: Sequelize }): Promise<void> => {
    await context.transaction((transaction) => context.query(UP, { transaction }).then(() => {}));
  },
  down: async ({ context }: { context: Sequelize }): Promise<void> => {
    await context.query(DOWN);
  },
};
