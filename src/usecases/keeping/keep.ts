import type { AttributionView } from "@/contracts/attribution";
import type { ClosedMonth, Keeping, KeepingAction } from "@/contracts/keeping";
import { ACCOUNT_NAMES, LEDGER_ACCOUNTS, type LedgerAccount } from "@/core/accounts";
import { type LedgerLine, ledgerPostings, lineWithTransfers, withTransfers } from "@/core/ledger";
import type { Book } from "../books";
import type { OpenLedger } from "../ledger";
import { Refusal } from "../refusal";
import type { KeepingStore } from "./ports";

export interface KeepingGround {
  readonly ledger: OpenLedger;
  readonly causes: AttributionView | null;
  readonly keeping: Keeping;
}

/** Does one thing to a month's postings; a closed month is left as it is until it is reopened. */
export async function keep(store: KeepingStore, book: Book, ground: KeepingGround, action: KeepingAction): Promise<void> {
  const line = ground.ledger.report.months.find(({ key }) => key === action.month);
  if (!line)
    throw new Refusal("month-not-found", `${action.month} is no month of this ledger.`, "Reload the page.", { month: action.month });
  const closed = ground.keeping.closed.some(({ month }) => month === action.month);
  if (closed && action.action !== "reopen") refuse(action.month, "is closed", "Reopen the month first, with the reason.");
  if (!ground.causes && line.meteredKwh !== null && action.action !== "reopen")
    refuse(action.month, "its causes are being sought anew", "Wait until the page shows them, then do it again.");
  switch (action.action) {
    case "move":
      if (action.from === action.to) refuse(action.month, "the posting already stands on that account", "Choose another account.");
      return store.move(book.id, action, {
        code: "moved",
        facts: { kwh: action.kwh, from: action.from, to: action.to, reason: action.reason },
      });
    case "reject": {
      const posted = postingsOf(ground, line)[action.account];
      if (posted === 0) refuse(action.month, `nothing is posted on ${name(action.account)}`, "Reload the page.");
      const transfer = { month: action.month, from: action.account, to: "remainder" as const, kwh: posted, reason: action.reason };
      return store.move(book.id, transfer, {
        code: "rejected",
        facts: { kwh: posted, account: action.account, reason: action.reason },
      });
    }
    case "accept":
      return store.accept(book.id, action.month, action.account, { code: "accepted", facts: { account: action.account } });
    case "take-back":
      if (!(await store.takeBack(book.id, action.id, action.month, { code: "taken-back", facts: {} })))
        refuse(action.month, "that move is already gone", "Reload the page.");
      return;
    case "close":
      return store.close(book.id, frozen(ground, line, action.note), { code: "closed", facts: { note: action.note } });
    case "reopen":
      if (!closed) refuse(action.month, "is open already", "Reload the page.");
      return store.reopen(book.id, action.month, { code: "reopened", facts: { reason: action.reason } });
  }
}

function refuse(month: string, what: string, help: string): never {
  throw new Refusal("decision-refused", `${month}: ${what}.`, help, { month });
}

const name = (account: LedgerAccount): string => ACCOUNT_NAMES[account].name.toLowerCase();

/** A month's actual postings with what was moved; the budget's where nothing was read. */
export function postingsOf(
  { causes, keeping }: Pick<KeepingGround, "causes" | "keeping">,
  line: LedgerLine,
): Record<LedgerAccount, number> {
  const found = causes?.months.find(({ key }) => key === line.key) ?? line;
  return withTransfers(
    ledgerPostings(found),
    keeping.transfers.filter(({ month }) => month === line.key),
  );
}

function frozen(ground: KeepingGround, line: LedgerLine, note: string): Omit<ClosedMonth, "closedAt"> {
  const planned = ledgerPostings(line);
  const posted = postingsOf(ground, line);
  return {
    month: line.key,
    postings: LEDGER_ACCOUNTS.map((account) => ({ account, plannedKwh: planned[account], foundKwh: posted[account] })),
    line: lineWithTransfers(
      ground.causes?.months.find(({ key }) => key === line.key) ?? line,
      ground.keeping.transfers.filter(({ month }) => month === line.key),
    ),
    note,
  };
}

/** A month's postings side by side: by the book, by evidence, and as they stand after moves. */
export function postingRows(
  planned: LedgerLine,
  found: LedgerLine,
  keeping: Keeping,
): { account: LedgerAccount; plannedKwh: number; foundKwh: number; finalKwh: number }[] {
  const [modelled, evidenced] = [ledgerPostings(planned), ledgerPostings(found)];
  const final = withTransfers(
    evidenced,
    keeping.transfers.filter(({ month }) => month === planned.key),
  );
  return LEDGER_ACCOUNTS.map((account) => ({
    account,
    plannedKwh: modelled[account],
    foundKwh: evidenced[account],
    finalKwh: final[account],
  }));
}
