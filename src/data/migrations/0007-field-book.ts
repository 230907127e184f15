import type { Sequelize } from "sequelize";

/**
 * What an entry of the field book holds besides its words; a client's own id lets a second sending of one entry be known as such.
 * Raw SQL: a migration describes tables as they were then, whatever the models say today.
 */
const UP = `
alter table field_entries
  add column client_id uuid,
  add column meter_id text not null default '',
  add column cost numeric(20, 8) check (cost >= 0),
  add column who text not null default '' check (char_length(who) <= 80),
  add column measured jsonb check (measured is null or jsonb_typeof(measured) = 'object'),
  add column effect jsonb check (effect is null or jsonb_typeof(effect) = 'array');
create unique index field_entries_once on field_entries (book_id, client_id);
create table field_photos (
  id uuid primary key default gen_random_uuid(),
  entry_id integer not null references field_entries on delete cascade,
  bytes bytea not null check (octet_length(bytes) <= 4194304),
  width_px integer not null check (width_px > 0),
  height_px integer not null check (height_px > 0),
  created_at timestamptz not null default now()
);
create index on field_photos (entry_id);
`;

const DOWN = `
drop table field_photos;
drop index field_entries_once;
alter table field_entries drop column client_id, drop column meter_id, drop column cost, drop column who, drop column measured, drop column effect;
`;

export const fieldBook = {
  name: "0007-field-book",
  up: async ({ context }: { context: Sequelize }): Promise<void> => {
    await context.transaction((transaction) => context.query(UP, { transaction }).then(() => {}));
  },
  down: async ({ context }: { context: Sequelize }): Promise<void> => {
    await context.query(DOWN);
  },
};
