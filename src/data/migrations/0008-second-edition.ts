import { QueryTypes, type Sequelize, type Transaction } from "sequelize";
import { auditFactsOf } from "./audit-sentences";

/*
 * Raw SQL: a migration describes tables as they were and as they become, whatever the models say today.
 *
 * Searches for causes: status, result for pages and what was fitted stand apart, and the queue is pg-boss. Trails and faults of feeds are stored
 * as codes with facts; fields of closed months have the names of the second edition.
 */
const UP = `
create table attribution_runs (
  book_id uuid primary key references books on delete cascade,
  wanted_version integer not null,
  state text not null check (state in ('waiting', 'running', 'done', 'cancelled', 'failed')),
  done_frac double precision not null default 0,
  fault_code text,
  updated_at timestamptz not null default now()
);
create table attributions (
  book_id uuid primary key references books on delete cascade,
  version integer not null,
  edition integer not null,
  view jsonb check (view is null or jsonb_typeof(view) = 'object'),
  fitted jsonb check (fitted is null or jsonb_typeof(fitted) = 'object'),
  made_at timestamptz not null default now()
);
drop table cause_runs;
alter table audit_entries add column code text, add column facts jsonb not null default '{}' check (jsonb_typeof(facts) = 'object');
alter table feeds add column last_fault jsonb check (last_fault is null or jsonb_typeof(last_fault) = 'object');
update feeds set last_fault = jsonb_build_object('code', 'written', 'facts', jsonb_build_object('text', last_error), 'problem', null)
  where last_error is not null;
alter table feeds drop column last_error;
update closed_months set kept = jsonb_set(jsonb_set(kept, '{line}',
    (kept->'line') - 'unreadKwh' - 'remainderKwh'
      || jsonb_build_object('dataGapKwh', kept#>'{line,unreadKwh}', 'unexplainedKwh', kept#>'{line,remainderKwh}')),
  '{postings}', coalesce((
    select jsonb_agg(posting - 'budgetKwh' - 'actualKwh' || jsonb_build_object('plannedKwh', posting->'budgetKwh', 'foundKwh', posting->'actualKwh') order by k)
    from jsonb_array_elements(kept->'postings') with ordinality as each(posting, k)), '[]'));
`;

const CODED = "alter table audit_entries alter column code set not null; alter table audit_entries drop column what;";

const DOWN = `
drop table attributions; drop table attribution_runs;
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
alter table audit_entries add column what text not null default '';
alter table audit_entries drop column code, drop column facts;
alter table feeds add column last_error text;
alter table feeds drop column last_fault;
`;

/** Reads each sentence of the first edition's trail back into its code. */
async function codeTrail(context: Sequelize, transaction: Transaction): Promise<void> {
  const rows = await context.query<{ id: number; what: string }>("select id, what from audit_entries", {
    transaction,
    type: QueryTypes.SELECT,
  });
  for (const { id, what } of rows) {
    const { code, facts } = auditFactsOf(what);
    await context.query("update audit_entries set code = :code, facts = :facts where id = :id", {
      replacements: { id, code, facts: JSON.stringify(facts) },
      transaction,
    });
  }
}

export const secondEdition = {
  name: "0008-second-edition",
  up: async ({ context }: { context: Sequelize }): Promise<void> => {
    await context.transaction(async (transaction) => {
      await context.query(UP, { transaction });
      await codeTrail(context, transaction);
      await context.query(CODED, { transaction });
    });
  },
  down: async ({ context }: { context: Sequelize }): Promise<void> => {
    await context.query(DOWN);
  },
};
