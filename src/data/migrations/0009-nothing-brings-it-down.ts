import type { Sequelize } from "sequelize";

/*
 * Raw SQL: a migration describes tables as they were and as they become, whatever the models say today.
 *
 * What the shelf and the pages read of a book stands in one row; long-lived processes and chores show that they are alive; the database holds what
 * forms forbid. Bills that no form would take any more are laid aside, whole: a bill till the year 9999 stopped the Money chapter. Bills that overlap since
 * two windows saved at once stay, marked, until somebody saves the bills again.
 */
/** Tables with rows of a book: whatever changes in them may stand on its pages. Day pages change with their batch. */
const TOLD = [
  "standings",
  "attributions",
  "attribution_runs",
  "bills",
  "field_entries",
  "variants",
  "feeds",
  "finding_decisions",
  "posting_transfers",
  "accepted_postings",
  "closed_months",
  "audit_entries",
  "import_batches",
] as const;

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
create function tell_change() returns trigger language plpgsql as $$
begin
  perform pg_notify('book_changed', coalesce((select slug from books where id = coalesce(new.book_id, old.book_id)), ''));
  return null;
end $$;
create function tell_book_change() returns trigger language plpgsql as $$
begin
  -- A book's name stands on the spines of every other.
  if tg_op <> 'UPDATE' or new.site->>'name' is distinct from old.site->>'name' then perform pg_notify('book_changed', '');
  else perform pg_notify('book_changed', new.slug); end if;
  return null;
end $$;
create function tell_chore() returns trigger language plpgsql as $$
begin
  if new.name = 'demo' then perform pg_notify('book_changed', ''); end if;
  return null;
end $$;
create trigger told after insert or update or delete on books for each row execute function tell_book_change();
create trigger told after insert or update on vital_signs for each row execute function tell_chore();
${TOLD.map((table) => `create trigger told after insert or update or delete on ${table} for each row execute function tell_change();`).join("\n")}
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
drop trigger told on books;
${TOLD.filter((table) => table !== "standings")
  .map((table) => `drop trigger told on ${table};`)
  .join(" ")}
drop function tell_change; drop function tell_book_change; drop function tell_chore;
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
