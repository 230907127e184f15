import type { Sequelize } from "sequelize";

/* Raw SQL: a migration describes tables as they were then. Tests and guarantees with the figures that they gave and what these rest on: they are never written over. */
const UP = `
create table kept_tests (
  id integer generated always as identity primary key,
  book_id uuid not null references books on delete cascade,
  name text not null check (char_length(name) between 1 and 80),
  question jsonb not null check (jsonb_typeof(question) = 'object'),
  report jsonb not null check (jsonb_typeof(report) = 'object'),
  frozen jsonb not null check (jsonb_typeof(frozen) = 'object'),
  site jsonb not null check (jsonb_typeof(site) = 'object'),
  kept_at timestamptz not null default now(),
  unique (book_id, name)
);
create trigger told after insert or update or delete on kept_tests for each row execute function tell_change();
`;

export const keptTests = {
  name: "0016-kept-tests",
  up: async ({ context }: { context: Sequelize }): Promise<void> => {
    await context.query(UP);
  },
  down: async ({ context }: { context: Sequelize }): Promise<void> => {
    await context.query("drop table kept_tests");
  },
};
