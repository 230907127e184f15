import type { Sequelize } from "sequelize";

/**
 * Feeds: what is pulled, how far it has come, and how the last pulls went. Each fills one open batch a month.
 * Raw SQL: a migration describes tables as they were then, whatever the models say today.
 */
const UP = `
create table feeds (
  id integer generated always as identity primary key,
  book_id uuid not null references books on delete cascade,
  settings jsonb not null check (jsonb_typeof(settings) = 'object'),
  is_demo boolean not null default false,
  cursor_utc timestamptz,
  next_utc timestamptz,
  last_tried_utc timestamptz,
  last_fine_utc timestamptz,
  last_error text,
  failures integer not null default 0 check (failures >= 0),
  value_count integer not null default 0 check (value_count >= 0),
  created_at timestamptz not null default now()
);
create unique index feeds_name on feeds (book_id, (settings->>'name'));
create index feeds_due on feeds (next_utc) where (settings->>'enabled')::boolean;
alter table import_batches add column feed_id integer references feeds on delete set null;
alter table import_batches add column feed_month text check (feed_month ~ '^[0-9]{4}-[0-9]{2}$');
create unique index import_batches_feed_month on import_batches (feed_id, feed_month) where undone_at is null;
`;

const DOWN = `
alter table import_batches drop column feed_month; alter table import_batches drop column feed_id; drop table feeds;
`;

export const feeds = {
  name: "0004-feeds",
  up: async ({ context }: { context: Sequelize }): Promise<void> => {
    await context.transaction((transaction) => context.query(UP, { transaction }).then(() => {}));
  },
  down: async ({ context }: { context: Sequelize }): Promise<void> => {
    await context.query(DOWN);
  },
};
