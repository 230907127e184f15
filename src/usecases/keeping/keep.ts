import type { AttributionView } from "@/contracts/attribution";
import type { ClosedMonth, Keeping, KeepingAction } from "@/contracts/keeping";
import type { RefusalFacts, RefusalReason } from "@/contracts/refusals";
import { LEDGER_ACCOUNTS, type LedgerAccount } from "@/core/accounts";
import { type LedgerLine, ledgerPostings, lineWithTransfers, withTransfers } from "@/core/ledger";
import type { Book } from "../books";
import type { OpenLedger } from "../ledger";
import { Refusal } from "../refusal";
import type { KeepingStore } from "./ports";

export interface KeepingGround {
  readonly ledger: Pick<OpenLedger, "report">;
  readonly causes: AttributionView | null;
  readonly keeping: Keeping;
}

/** Does one thing to a month's postings; a closed month is left as it is until it is reopened. */
export async function keep(store: KeepingStore, book: Book, ground: KeepingGround, action: KeepingAction): Promise<void> {
  const line = ground.ledger.report.months.find(({ key }) => key === action.month);
  if (!line) throw new Refusal("month-not-found", "month-not-found", { month: action.month });
  const closed = ground.keeping.closed.some(({ month }) => month === action.month);
  if (closed && action.action !== "reopen") refuse(action.month, "month-closed");
  if (!ground.causes && line.meteredKwh !== null && action.action !== "reopen") refuse(action.month, "causes-sought-anew");
  switch (action.action) {
    case "move":
      if (action.from === action.to) refuse(action.month, "same-account");
      return store.move(book.id, action, {
        code: "moved",
        facts: { kwh: action.kwh, from: action.from, to: action.to, reason: action.reason },
      });
    case "reject": {
      const posted = postingsOf(ground, line)[action.account];
      if (posted === 0) refuse(action.month, "nothing-posted", { account: action.account });
      const transfer = { month: action.month, from: action.account, to: "remainder" as const, kwh: posted, reason: action.reason };
      return store.move(book.id, transfer, {
        code: "rejected",
        facts: { kwh: posted, account: action.account, reason: action.reason },
      });
    }
    case "accept":
      return store.accept(book.id, action.month, action.account, { code: "accepted", facts: { account: action.account } });
    case "take-back":
      if (!(await store.takeBack(book.id, action.id, action.month, { code: "taken-back", facts: {} }))) refuse(action.month, "move-gone");
      return;
    case "close":
      return store.close(book.id, frozen(ground, line, action.note), { code: "closed", facts: { note: action.note } });
    case "reopen":
      if (!closed) refuse(action.month, "month-open");
      return store.reopen(book.id, action.month, { code: "reopened", facts: { reason: action.reason } });
  }
}

function refuse(month: string, reason: RefusalReason, facts: RefusalFacts = {}): never {
  throw new Refusal("decision-refused", reason, { month, ...facts });
}

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
