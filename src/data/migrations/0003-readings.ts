import type { Sequelize } from "sequelize";

/**
 * Sparse readings, remembered mappings, decisions on findings, and what an import remarked.
 * Raw SQL: a migration describes tables as they were then, whatever the models say today.
 */
const UP = `
alter table import_batches add column notices jsonb not null default '[]' check (jsonb_typeof(notices) = 'array');
create table energy_spans (
  batch_id integer not null references import_batches on delete cascade,
  meter_id text not null,
  from_utc timestamptz not null,
  to_utc timestamptz not null check (to_utc > from_utc),
  kwh double precision not null check (kwh >= 0),
  primary key (batch_id, meter_id, from_utc)
);
create table counter_readings (
  batch_id integer not null references import_batches on delete cascade,
  meter_id text not null,
  at_utc timestamptz not null,
  kwh double precision not null check (kwh >= 0),
  primary key (batch_id, meter_id, at_utc)
);
create table table_mappings (
  fingerprint text primary key check (fingerprint ~ '^[0-9a-f]{64}$'),
  reading jsonb not null check (jsonb_typeof(reading) = 'object'),
  confirmed_at timestamptz not null default now()
);
create table finding_decisions (
  id integer generated always as identity primary key,
  book_id uuid not null references books on delete cascade,
  finding_key text not null check (char_length(finding_key) between 1 and 200),
  state text not null check (state in ('accepted', 'refused')),
  remedies jsonb not null default '[]' check (jsonb_typeof(remedies) = 'array'),
  note text not null default '' check (char_length(note) <= 500),
  decided_at timestamptz not null default now(),
  unique (book_id, finding_key)
);
`;

const DOWN = `
drop table finding_decisions; drop table table_mappings; drop table counter_readings; drop table energy_spans;
alter table import_batches drop column notices;
`;

export const sparseAndDecisions = {
  name: "0003-readings",
  up: async ({ context }: { context: Sequelize }): Promise<void> => {
    await context.transaction((transaction) => context.query(UP, { transaction }).then(() => {}));
  },
  down: async ({ context }: { context: Sequelize }): Promise<void> => {
    await context.query(DOWN);
  },
};
