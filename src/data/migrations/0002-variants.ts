import type { Sequelize } from "sequelize";

/**
 * What-ifs kept in a book under a name.
 * Raw SQL: a migration describes tables as they were then, whatever the models say today.
 */
const UP = `
create table variants (
  id integer generated always as identity primary key,
  book_id uuid not null references books on delete cascade,
  name text not null check (char_length(name) between 1 and 60),
  what_if jsonb not null check (jsonb_typeof(what_if) = 'object'),
  created_at timestamptz not null default now(),
  unique (book_id, name)
);
`;

export const variants = {
  name: "0002-variants",
  up: async ({ context }: { context: Sequelize }): Promise<void> => {
    await context.query(UP);
  },
  down: async ({ context }: { context: Sequelize }): Promise<void> => {
    await context.query("drop table variants");
  },
};
