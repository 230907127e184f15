import type { Sequelize } from "sequelize";

/**
 * Field-book entries, what was found of causes, moved postings, closed months, and who did what when.
 * Raw SQL: a migration describes tables as they were then, whatever the models say today.
 */
const UP = `
create table field_entries (
  id integer generated always as identity primary key,
  book_id uuid not null references books on delete cascade,
  starts text not null check (starts ~ '^\\d{4}-\\d{2}-\\d{2}'),
  ends text not null check (ends ~ '^\\d{4}-\\d{2}-\\d{2}'),
  kind text not null,
  array_id text not null default '',
  note text not null default '' check (char_length(note) <= 2000),
  value text not null default '' check (char_length(value) <= 200),
  created_at timestamptz not null default now()
);
create index on field_entries (book_id, starts);
create table cause_runs (
  book_id uuid primary key references books on delete cascade,
  wanted_version integer not null,
  state text not null check (state in ('waiting', 'running', 'done', 'cancelled', 'failed')),
  done_frac double precision not null default 0,
  report jsonb check (report is null or jsonb_typeof(report) = 'object'),
  report_version integer,
  note text not null default '',
  updated_at timestamptz not null default now()
);
create table posting_transfers (
  id integer generated always as identity primary key,
  book_id uuid not null references books on delete cascade,
  month text not null check (month ~ '^\\d{4}-\\d{2}$'),
  from_account text not null,
  to_account text not null check (to_account <> from_account),
  kwh double precision not null check (kwh <> 0),
  reason text not null check (char_length(reason) between 1 and 500),
  made_at timestamptz not null default now()
);
create index on posting_transfers (book_id, month);
create table accepted_postings (
  book_id uuid not null references books on delete cascade,
  month text not null,
  account text not null,
  made_at timestamptz not null default now(),
  primary key (book_id, month, account)
);
create table closed_months (
  book_id uuid not null references books on delete cascade,
  month text not null check (month ~ '^\\d{4}-\\d{2}$'),
  kept jsonb not null check (jsonb_typeof(kept) = 'object'),
  note text not null default '' check (char_length(note) <= 1000),
  closed_at timestamptz not null default now(),
  primary key (book_id, month)
);
create table audit_entries (
  id integer generated always as identity primary key,
  book_id uuid not null references books on delete cascade,
  at timestamptz not null default now(),
  month text not null,
  what text not null
);
create index on audit_entries (book_id, id desc);
`;

const DOWN = `
drop table audit_entries; drop table closed_months; drop table accepted_postings; drop table posting_transfers;
drop table cause_runs; drop table field_entries;
`;

export const causes = {
  name: "0005-causes",
  up: async ({ context }: { context: Sequelize }): Promise<void> => {
    await context.transaction((transaction) => context.query(UP, { transaction }).then(() => {}));
  },
  down: async ({ context }: { context: Sequelize }): Promise<void> => {
    await context.query(DOWN);
  },
};
