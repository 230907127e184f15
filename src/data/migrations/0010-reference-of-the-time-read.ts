import type { Sequelize } from "sequelize";

/*
 * Raw SQL: a migration describes tables as they were and as they become. A closed month shows what it said then: its performance ratio stood on the
 * share of the expected energy that was read.
 */
const UP = `
update closed_months set kept = jsonb_set(kept, '{line,referenceGapKwh}',
  to_jsonb((kept#>>'{line,referenceKwh}')::double precision * (1 - (kept#>>'{line,readFrac}')::double precision)));
`;
const DOWN = "update closed_months set kept = kept #- '{line,referenceGapKwh}';";

export const referenceOfTheTimeRead = {
  name: "0010-reference-of-the-time-read",
  up: async ({ context }: { context: Sequelize }): Promise<void> => {
    await context.query(UP);
  },
  down: async ({ context }: { context: Sequelize }): Promise<void> => {
    await context.query(DOWN);
  },
};
