import { QueryTypes, type Sequelize, type Transaction } from "sequelize";

/*
 * Raw SQL: a migration describes tables as they were and as they become.
 *
 * One account: what was found stands beside the plan, which never moves. Stored codes get their new names, and a closed month goes on saying what it said
 * then: its evidence becomes plan and what was found beside it. What was found is stored apart too, so that the shelf reads no report.
 */
const RENAMED = { unread: "dataGap", remainder: "unexplained" } as const;

const renaming = (from: string, to: string): string => `
update posting_transfers set from_account = '${to}' where from_account = '${from}';
update posting_transfers set to_account = '${to}' where to_account = '${from}';
update accepted_postings set account = '${to}' where account = '${from}';
update audit_entries set facts = jsonb_set(facts, '{from}', '"${to}"') where facts->>'from' = '${from}';
update audit_entries set facts = jsonb_set(facts, '{to}', '"${to}"') where facts->>'to' = '${from}';
update audit_entries set facts = jsonb_set(facts, '{account}', '"${to}"') where facts->>'account' = '${from}';
`;

const UP = `alter table attributions add column found jsonb check (found is null or jsonb_typeof(found) = 'array');
${Object.entries(RENAMED)
  .map(([from, to]) => renaming(from, to))
  .join("")}`;

const DOWN = `alter table attributions drop column found;
${Object.entries(RENAMED)
  .map(([from, to]) => renaming(to, from))
  .join("")}`;

type Amounts = Record<string, number>;

interface OldPosting {
  readonly account: string;
  readonly plannedKwh: number | null;
  readonly foundKwh: number | null;
}

/** A closed month as it was stored before: its line walks by evidence. */
export interface OldClosed {
  readonly line: Record<string, unknown> & {
    readonly accountsKwh: Amounts;
    readonly referenceKwh: number;
    readonly meteredKwh: number | null;
  };
  readonly postings: readonly OldPosting[];
  readonly [name: string]: unknown;
}

const FOUND = [
  "orientation",
  "shading",
  "snow",
  "soiling",
  "rating",
  "ageing",
  "strings",
  "derating",
  "clipping",
  "curtailment",
  "downtime",
  "reflection",
  "rear",
  "lowLight",
  "temperature",
  "wiring",
  "inverter",
];
const WIRING = ["mismatch", "dcWiring", "acWiring", "transformer"];

/** The same month as plan and what was found beside it: expected - found - gap - unexplained is what the meter counted, as it was. */
export function onOneAccount({ line, postings, ...rest }: OldClosed): object {
  const posting = (account: string): OldPosting | undefined => postings.find((own) => own.account === account);
  const planned = (account: string): number => posting(account)?.plannedKwh ?? 0;
  const besides = (account: string): number => (posting(account)?.foundKwh ?? planned(account)) - planned(account);
  const accountsKwh: Amounts = {};
  for (const [stage, kwh] of Object.entries(line.accountsKwh)) accountsKwh[stage] = WIRING.includes(stage) ? kwh : planned(stage);
  const wiring = WIRING.reduce((sum, stage) => sum + (line.accountsKwh[stage] ?? 0), 0);
  accountsKwh.mismatch = (accountsKwh.mismatch ?? 0) + planned("wiring") - wiring;
  const foundKwh = Object.fromEntries(FOUND.map((account) => [account, besides(account)]));
  return {
    ...rest,
    line: {
      ...line,
      accountsKwh,
      expectedKwh: line.referenceKwh - Object.values(accountsKwh).reduce((sum, kwh) => sum + kwh, 0),
      foundKwh,
      isSought: line.meteredKwh !== null,
    },
    postings: [
      ...FOUND.map((account) => ({ account, plannedKwh: posting(account)?.plannedKwh ?? null, foundKwh: foundKwh[account] })),
      ...Object.entries(RENAMED).map(([from, account]) => ({ account, plannedKwh: null, foundKwh: posting(from)?.foundKwh ?? 0 })),
    ],
  };
}

async function closedMonths(context: Sequelize, transaction: Transaction): Promise<void> {
  const rows = await context.query<{ book_id: string; month: string; kept: OldClosed }>("select book_id, month, kept from closed_months", {
    transaction,
    type: QueryTypes.SELECT,
  });
  for (const { book_id, month, kept } of rows)
    await context.query("update closed_months set kept = :kept where book_id = :book_id and month = :month", {
      replacements: { book_id, month, kept: JSON.stringify(onOneAccount(kept)) },
      transaction,
    });
}

export const oneAccount = {
  name: "0011-one-account",
  up: async ({ context }: { context: Sequelize }): Promise<void> => {
    await context.transaction(async (transaction) => {
      await context.query(UP, { transaction });
      await closedMonths(context, transaction);
    });
  },
  down: async ({ context }: { context: Sequelize }): Promise<void> => {
    await context.query(DOWN);
  },
};
