import type { FoundMonth } from "@/contracts/attribution";
import type { ClosedMonth, Keeping, KeepingAction, PostingRow } from "@/contracts/keeping";
import type { RefusalFacts, RefusalReason } from "@/contracts/refusals";
import { DESIGN_ACCOUNTS, type DesignAccount, LEDGER_ACCOUNTS, type LedgerAccount } from "@/core/accounts";
import { designLosses, type LedgerLine, ledgerPostings } from "@/core/ledger";
import type { Book } from "../books";
import type { OpenLedger } from "../ledger";
import { Refusal } from "../refusal";
import { accountLines } from "./account-lines";
import type { KeepingStore } from "./ports";

export interface KeepingGround {
  readonly ledger: Pick<OpenLedger, "report">;
  /** What was found beside the plan; null until causes were sought. */
  readonly found: readonly FoundMonth[] | null;
  readonly keeping: Keeping;
}

/** Does one thing to a month's postings; a closed month is left as it is until it is reopened. */
export async function keep(store: KeepingStore, book: Book, ground: KeepingGround, action: KeepingAction): Promise<void> {
  const line = ground.ledger.report.months.find(({ key }) => key === action.month);
  if (!line) throw new Refusal("month-not-found", "month-not-found", { month: action.month });
  const closed = ground.keeping.closed.some(({ month }) => month === action.month);
  if (closed && action.action !== "reopen") refuse(action.month, "month-closed");
  if (!ground.found && line.meteredKwh !== null && action.action !== "reopen") refuse(action.month, "causes-sought-anew");
  switch (action.action) {
    case "move":
      if (action.from === action.to) refuse(action.month, "same-account");
      return store.move(book.id, action, {
        code: "moved",
        facts: { kwh: action.kwh, from: action.from, to: action.to, reason: action.reason },
      });
    case "reject": {
      const posted = ledgerPostings(standing(ground, line))[action.account];
      if (posted === 0) refuse(action.month, "nothing-posted", { account: action.account });
      const transfer = { month: action.month, from: action.account, to: "unexplained" as const, kwh: posted, reason: action.reason };
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

/** A month's line as it would stand today: with what was found and what was moved. */
const standing = ({ found, keeping }: Pick<KeepingGround, "found" | "keeping">, line: LedgerLine): LedgerLine =>
  accountLines([line], { found, keeping: { transfers: keeping.transfers, closed: [] } }).months[0]!;

function frozen(ground: KeepingGround, line: LedgerLine, note: string): Omit<ClosedMonth, "closedAt"> {
  const kept = standing(ground, line);
  const [planned, posted] = [designLosses(kept), ledgerPostings(kept)];
  return {
    month: line.key,
    postings: LEDGER_ACCOUNTS.map((account) => ({
      account,
      plannedKwh: isDesign(account) ? planned[account] : null,
      foundKwh: posted[account],
    })),
    line: kept,
    note,
  };
}

const isDesign = (account: LedgerAccount): account is DesignAccount => (DESIGN_ACCOUNTS as readonly string[]).includes(account);

/** A month's postings side by side. */
export function postingRows(line: LedgerLine, { found, keeping }: Pick<KeepingGround, "found" | "keeping">): PostingRow[] {
  const planned = designLosses(line);
  const unmoved = ledgerPostings(standing({ found, keeping: { ...keeping, transfers: [] } }, line));
  const final = ledgerPostings(standing({ found, keeping }, line));
  return LEDGER_ACCOUNTS.map((account) => ({
    account,
    plannedKwh: isDesign(account) ? planned[account] : null,
    foundKwh: unmoved[account],
    finalKwh: final[account],
  }));
}
